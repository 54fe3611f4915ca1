// Pitch: volts at one volt per octave, hertz, note names and cents.
//
// V/oct law: f = f0 * 2^V, where f0 is the frequency of the note that 0 V stands for.
// Equal temperament: f(note) = A4 * 2^((note - 69) / 12), notes numbered with C4 = 60.
#pragma once

#include "units/quantity.h"

#include <optional>
#include <string>
#include <string_view>

namespace lariat {

/// What 0 V means. The default is 0 V = C4 = 261.626 Hz at A4 = 440 Hz.
struct PitchReference {
    Hertz a4{440.0};
    int zeroVoltNote = 60;
};

/// A note of the twelve-tone scale and how far a pitch lies above it, within ±50 cents.
struct NearestNote {
    int note = 60;
    Cents off{};
};

/// Frequency of a pitch voltage. Any finite voltage is accepted.
Hertz toHertz(Volts pitch, const PitchReference& reference = {});
/// Inverse of toHertz; `frequency` must be above zero.
Volts toVolts(Hertz frequency, const PitchReference& reference = {});
/// Voltage of note number `note` (C4 = 60).
Volts noteToVolts(double note, const PitchReference& reference = {});
/// Frequency of note number `note`.
Hertz noteToHertz(double note, const PitchReference& reference = {});
/// Note nearest to a frequency above zero.
NearestNote nearestNote(Hertz frequency, const PitchReference& reference = {});

/// "D3", "B♭3": flats for the five black keys that are commonly written so, sharps for C♯ and F♯.
std::string noteName(int note);
/// "D3", or "D3 +7" when it is off by a cent or more.
std::string pitchText(Hertz frequency, const PitchReference& reference = {});
/// Reads "D3", "Bb3", "B♭3", "F#-1"; nothing for anything else.
std::optional<int> parseNote(std::string_view text);

/// Interval of a frequency ratio above zero: 3/2 gives 701.955 cents.
Cents ratioToCents(double ratio);

} // namespace lariat
