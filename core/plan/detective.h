// The detective on the metal: somebody hears nothing where the plan sounds. It asks what is seen or read at a jack and
// what should be there, halves the way each time, and names the first dead link with the cheapest things to try.
#pragma once

#include "building/edits.h"
#include "library/library.h"
#include "units/sentence.h"

#include <optional>
#include <vector>

namespace lariat {

class Detective {
  public:
    /// Runs the patch silently for what should be read at its outputs. Fails if nothing leads out of it.
    static Result<Detective> on(const Patch& patch, const Library& library);

    struct Question {
        JackRef at;      ///< an output: look, or listen, there
        Sentence expect; ///< "-5.0…+5.0 V, 36.7 Hz · D1"
    };
    /// What is to be looked at next; nothing once it is found.
    [[nodiscard]] std::optional<Question> question() const;
    /// Whether it is there as expected.
    void answer(bool asExpected);

    struct Found {
        std::optional<int> cable; ///< the row's cable, if that is the link
        std::string post;         ///< else the post
        Sentence what;
        std::vector<Sentence> tries; ///< the cheapest first
    };
    [[nodiscard]] std::optional<Found> found() const;
    [[nodiscard]] int asked() const { return asked_; }

  private:
    struct Link {
        JackRef output;
        int cable = 0;  ///< that leads from it to the next link's post; 0: behind the panel
        std::string to; ///< that post
    };
    Detective(const Patch& patch, const Library& library) : patch_(patch), library_(&library) {}
    void follow(const std::string& post, bool sound);
    void branch();
    [[nodiscard]] Found deadCable(const Link& link) const;
    [[nodiscard]] Found deadPost(const std::string& post) const;

    Patch patch_;
    const Library* library_;
    std::map<JackRef, Sentence> expected_;
    std::vector<Link> way_;   ///< the end that is heard first
    std::size_t good_ = 0;    ///< from this link on, everything is as expected
    std::size_t bad_ = 0;     ///< links before this one are not
    std::vector<Link> feeds_; ///< what else feeds the post that is suspected, to be asked one by one
    std::optional<Found> found_;
    int asked_ = 0;
};

} // namespace lariat
