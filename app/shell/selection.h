// What is chosen, shared by all places: a post, a jack of it, rows of the build order, steps of its pattern.
#pragma once

#include "shell/document.h"
#include "timing/lines.h"

#include <QObject>

#include <set>
#include <string>
#include <vector>

namespace lariat {

struct Chosen {
    std::string post;
    int cable = 0;       ///< the row that has the keyboard; 0: none
    std::set<int> also;  ///< cables chosen beside it
    JackRef jack;        ///< one jack in particular, or an empty one
    LineRef line{};      ///< of a post that goes through steps; an empty post: none
    std::set<int> steps; ///< of that line, counted from 0

    bool operator==(const Chosen&) const = default;
};

class Selection : public QObject {
    Q_OBJECT

  public:
    explicit Selection(Document& document, QObject* parent = nullptr);

    [[nodiscard]] const Chosen& chosen() const { return chosen_; }
    [[nodiscard]] const std::string& post() const { return chosen_.post; }
    [[nodiscard]] int cable() const { return chosen_.cable; }
    /// All chosen rows in build order; the one with the keyboard among them.
    [[nodiscard]] std::vector<int> cables() const;
    [[nodiscard]] bool has(int cable) const { return cable == chosen_.cable || chosen_.also.contains(cable); }

    /// A row, and with it the post that it goes to.
    void chooseCable(int cable);
    /// One row more, or one less.
    void alsoChoose(int cable);
    /// All rows from the one with the keyboard to this one.
    void chooseUpTo(int cable);
    /// The keyboard goes on to that row; the one that it leaves stays chosen.
    void goOnTo(int cable);
    void chooseCables(const std::vector<int>& cables);
    void choosePost(const std::string& post);
    void chooseJack(const JackRef& jack);
    /// A line of steps, and some of them.
    void chooseSteps(const LineRef& line, std::set<int> steps = {});
    /// As it was chosen before; what is gone since is left out.
    void choose(Chosen chosen);

  Q_SIGNALS:
    void changed();

  private:
    [[nodiscard]] Chosen stillThere(Chosen chosen) const;

    Document& document_;
    Chosen chosen_;
};

} // namespace lariat
