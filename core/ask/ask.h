// The questions, each one file: given tracks, and what is known of the patch they come from, an answer.
#pragma once

#include "ask/answer.h"
#include "ask/track.h"
#include "units/key.h"
#include "units/tuning.h"

#include <functional>
#include <memory>

namespace lariat {

/// The instant that a picture of traces begins at.
struct Trigger {
    enum class By { Auto, Free, Edge } by = By::Auto;
    int track = 0;
    bool rising = true;
    std::optional<double> level{}; ///< volts; half way if not given
};

struct AskOptions {
    double from = 0.0;              ///< seconds of the tracks that are left out
    std::optional<double> window{}; ///< of a picture of traces, in seconds
    Trigger trigger{};
    bool lanes = false;                     ///< traces under one another
    bool xy = false;                        ///< the first track across, the second up
    std::optional<Key> key{};               ///< that notes are held against
    std::shared_ptr<const Tuning> tuning{}; ///< and the tuning
    std::string vowel{};                    ///< whose formants are aimed at, "ah"; empty: the nearest one
    bool sidebands = false;                 ///< the second track is the carrier, the third the modulator
    bool averaged = false;                  ///< spectra of all there is, frame by frame; not of the loudest stretch
    bool linear = false;                    ///< hertz at even distances, not octaves
};

struct Asked {
    Question question = Question::Shape;
    std::vector<Trace> tracks{};
    AskOptions options{};
    std::vector<Trace> twice{}; ///< of the content: the same run at twice the rate, for what aliasing adds
    std::function<bool(double)> progress{};
};

/// Shape, note, same, content, relate, and better of two recordings. Fails if there is nothing to ask of, or when
/// stopped; where a signal cannot carry the measure, the answer says so and gives no number.
Result<Answer> ask(const Asked& asked);

Answer askShape(const Asked& asked);
Answer askNote(const Asked& asked);
Answer askSame(const Asked& asked);
Answer askContent(const Asked& asked);
Answer askRelate(const Asked& asked);
Answer askBetter(const Asked& asked);

/// Jacks that are recorded beside those that a question is asked of: the leader of a sound, the gate that cuts hits.
std::vector<JackRef> jacksBeside(Question question, const Patch& patch, const Library& library,
                                 const std::vector<JackRef>& jacks);

} // namespace lariat
