// A question as it is asked: of which jacks and recordings, how, and held against what. Window and command line both
// make one of these.
#pragma once

#include "ask/ask.h"
#include "plan/seek.h"

#include <memory>

namespace lariat {

struct Asking {
    Question question = Question::Shape;
    std::vector<JackRef>
        jacks{}; ///< outputs or inputs; an empty post: the way out. None, and no recording: the way out
    std::vector<std::shared_ptr<const Trace>> recordings{};
    std::vector<Trace> given{}; ///< what the jacks gave in a running patch; none: they are recorded in a silent run
    AskOptions options{};
    double seconds = 0.0; ///< of the silent run; 0: as long as the question needs
    bool realCase = false;
    bool scenes = false;
    std::optional<StepAt> step{};           ///< of shape: the picture begins where the line comes to it
    bool alone = false;                     ///< without the leader and the gate beside what is named
    bool twice = false;                     ///< of the content: once more at twice the rate
    std::optional<JackRef> played{};        ///< of the note: the pitch input that a range of volts is played into
    std::shared_ptr<const Patch> against{}; ///< of which is better: another patch, at the same jack
    std::string againstName{};
    bool fits = false;             ///< of the real one: knobs are to be found …
    std::vector<SeekKnob> knobs{}; ///< … these; none: those that are unknown
    int runs = 320;
    std::string wayOut = "way out"; ///< what that is called, in somebody's language
};

/// Seconds that a silent run takes where nobody says how long.
double usualSeconds(Question question);
/// Asks. `patch` is a checked one; it may be nullptr where only recordings are asked of. Fails where the question has
/// nothing to be asked of, says what is missing, or when stopped.
Result<Answer> answerTo(const Asking& asking, const Patch* patch, const Library& library,
                        const std::function<bool(double)>& progress = {});

} // namespace lariat
