// The reckoner: what people work out beside the instrument, from one line.
//
//   112 bpm           notes in ms, Hz and samples          62 ms            rate, tempo, samples, parts of a step
//   440 hz, d3        note, volts in both schools          0.35 v           interval, note, level
//   3/2               interval in cents                    d4 / 4 5 6       divided: notes and their chord
//   2 v at 38 %       what is left, in semitones           7 st from 5 v    the attenuator for an interval
//   +4 dbu, -6 dbfs   the same level in volts              5 7 16           where unequal lengths meet
#pragma once

#include "model/result.h"
#include "units/sentence.h"

#include <string>
#include <string_view>
#include <vector>

namespace lariat {

struct Reckoned {
    Sentence what;     ///< "a 16th"
    std::string value; ///< "133.9 ms", as a knob or a step takes it
};

struct ReckonContext {
    double tempo = 120.0; ///< of the patch, in beats per minute; 0: it has none
    double rate = 48000.0;
};

/// Never empty; what cannot be read fails with what can.
Result<std::vector<Reckoned>> reckon(std::string_view line, const ReckonContext& context = {});

} // namespace lariat
