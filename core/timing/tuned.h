// What quantizers make of a line's pitch: for each note the volts that come to the quantizer and those that leave it,
// so that notes that are moved, that fall together, or that a tuning puts beside equal temperament are seen before they
// are heard.
#pragma once

#include "timing/lines.h"
#include "units/sentence.h"

#include <set>
#include <string>
#include <vector>

namespace lariat {

/// A note of a line as a quantizer gives it.
struct TunedNote {
    int step = -1;
    double pulse = 0.0;  ///< of the cycle, where its step begins
    double until = 0.0;  ///< and ends
    float wanted = 0.0f; ///< volts that come to the quantizer at the end of the step
    float given = 0.0f;  ///< volts that leave it then

    /// Cents by which the quantizer moves it, transposition and all.
    [[nodiscard]] double moved() const { return 1200.0 * static_cast<double>(given - wanted); }
    /// The nearest note of equal temperament to what is given, and how many cents that lies beside it: "E3 +14 ct".
    [[nodiscard]] std::string text() const;
};

/// A channel of a quantizer that a line comes to.
struct TunePath {
    JackRef in;
    JackRef out;
    LineRef line;
};

/// The channels that pitch of this sequencer comes to: through cables, normals, and what passes pitch on.
std::vector<TunePath> tunePathsOf(const Patch& patch, const Library& library, const Sequencer& sequencer);

/// "moves 3 of 8 notes, by 50 ct at most" with the steps that it speaks of.
Sentence movedText(const std::vector<TunedNote>& notes, std::set<int>& steps);
/// Steps whose notes came in apart and leave as one; the text is empty if there are none.
Sentence mergedText(const std::vector<TunedNote>& notes, std::set<int>& steps);

} // namespace lariat
