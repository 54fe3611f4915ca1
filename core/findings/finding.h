// Findings: mistakes in a patch, each with the figure that shows it and fixes that one click applies.
//
// A rule is one file with one function; copy one, and list it in everythingIn (finding.cpp). Rules look at an
// Observation: the patch and what a silent fast run of it recorded.
#pragma once

#include "engine/render.h"
#include "flow/life.h"
#include "model/case.h"
#include "model/edit.h"
#include "timing/responses.h"
#include "units/sentence.h"

#include <optional>
#include <string>
#include <vector>

namespace lariat {

struct Fix {
    Sentence label;
    std::vector<Edit> edits;
};

/// A mistake makes the patch not do what it is for; a caution may be wanted; a note is said openly and asks for
/// nothing. A next step is said quietly of a patch that is not finished yet: nothing is wrong with it.
enum class Severity { Mistake, Caution, Next, Note };
/// "mistake", "caution", "next" or "note".
const char* severityName(Severity severity);

/// A jack on the way to what is wrong, and what is measured there.
struct Link {
    JackRef jack;
    int cable = 0; ///< that leads to the next one; 0: a normal, a wire behind the panel, or the end
    Sentence reading;
};

struct Finding {
    std::string rule; ///< id of the rule that made it
    Severity severity = Severity::Mistake;
    int cable = 0;    ///< the cable it sits on, or 0
    std::string post; ///< the post it sits on
    Sentence figure;  ///< the measured figure
    Sentence reason;  ///< one or two plain sentences
    std::vector<Fix> fixes;
    std::vector<Link> walk{}; ///< from the ear back to the place, or from the source on; empty: the place is all
};
/// "Osc A saw", or the post alone where the way goes behind the panel.
std::string linkName(const Link& link, const Patch& patch, const Library& library);
/// Something to mend, or to look at.
[[nodiscard]] inline bool isProblem(const Finding& finding) {
    return finding.severity == Severity::Mistake || finding.severity == Severity::Caution;
}

/// A patch and what its cables carried in a run from the start.
struct Observation {
    Patch patch;
    const Library* library = nullptr;
    const Case* housing = nullptr;      ///< the case, for parts that are still free; may be nullptr
    Rendering recorded;                 ///< with a probe at every output that a cable leaves
    std::vector<Responses> responses{}; ///< contours of each sequencer that is stepped, note by note
    std::shared_ptr<const FlowMap> flow{};
    Lives lives{};        ///< of every block in it, over the whole of the run
    double seconds = 0.0; ///< that it ran

    /// What the notes of a sequencer make of this contour; nullptr if none opens it.
    [[nodiscard]] const ContourResponse* response(const std::string& post) const;
    /// Recorded volts of an output; empty if nothing listens to it.
    [[nodiscard]] std::span<const float> at(const JackRef& output) const;
    [[nodiscard]] double rate() const { return recorded.engineRate; }
    [[nodiscard]] const PartInfo* part(const std::string& post) const;
    [[nodiscard]] const JackInfo* jack(const JackRef& ref) const { return library->jack(patch, ref); }
    /// Posts from which sound or control reaches `post`, itself included.
    [[nodiscard]] std::vector<std::string> upstream(const std::string& post) const;
    /// The first cable that leaves an output; 0 if none does.
    [[nodiscard]] int cableFrom(const JackRef& output) const;
    [[nodiscard]] std::string nameOf(const std::string& post) const;
};

inline constexpr double kObservedSeconds = 6.0;
inline constexpr double kLongestSeconds = 20.0;

/// Runs the patch silently for so long and records the first six seconds of it, less of more than 150 cables. Six
/// seconds themselves go on without being recorded as long as something has not come to life, until the longest pattern
/// has been played, kLongestSeconds at most. The patch must have passed checkPatch.
Result<Observation> observe(const Patch& patch, const Library& library, const Case* housing,
                            double seconds = kObservedSeconds, const std::function<bool(double)>& progress = {});

/// A finding that was dismissed in the patch, and the reason that was given.
struct Dismissed {
    Finding finding;
    std::string because;
};
struct Found {
    std::vector<Finding> open;
    std::vector<Dismissed> dismissed;
    int untried = 0; ///< cures for which there was no time; they are not offered
};

/// Everything there is to be found, in the order of the rules, with cures that were tried (trial.h). Fails only when
/// cancelled.
Result<Found> findEverything(const Observation& observation, const std::function<bool(double)>& progress = {});
/// What the rules say, dismissed or not, with cures that nobody has tried.
std::vector<Finding> everythingIn(const Observation& observation);

} // namespace lariat
