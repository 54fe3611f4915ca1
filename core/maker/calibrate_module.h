// A knob of a module, calibrated by what was read off its metal.
#pragma once

#include "library/library.h"

#include <array>
#include <optional>
#include <span>
#include <string>
#include <vector>

namespace lariat {

/// The module with that knob calibrated; with no readings, as its maker left it. Fails if there is no such knob, or if
/// the readings make no scale.
Result<ModuleInfo> withCalibration(const ModuleInfo& module, const std::string& part, const std::string& knob,
                                   const Calibration& calibration);
/// What was read off a knob so far; empty if nothing was.
Calibration calibrationOf(const ModuleInfo& module, const std::string& part, const std::string& knob);

/// What a recording tells of a knob's place.
enum class Heard {
    Rate,  ///< hertz: its pitch, or how often it rises
    Rise,  ///< seconds from the first sound, 60 dB below the loudest, to the loudest
    Fall,  ///< seconds from the loudest until it stays 60 dB below
    Volts, ///< the mean of a steady voltage, else the peak
    Tempo  ///< beats per minute, with one pulse a beat
};
/// What is listened for by the unit of a knob and, of times, by its name; nothing if a recording cannot tell.
std::optional<Heard> heardOf(const KnobInfo& knob);
/// Reads it. Fails if the recording holds nothing of the kind.
Result<double> hearReading(Heard what, std::span<const float> volts, double rate);

/// A note that was played into a pitch input of the metal, and what sounded.
struct PlayedNote {
    double note = 60.0; ///< C4 = 60
    double hertz = 0.0;
};
/// What such notes say of an input: by how many cents each octave is too wide, what is left of them beside that line,
/// and by how many cents the whole stands too high where it is tuned in the middle.
struct Tracked {
    double centsPerOctave = 0.0;
    double middle = 0.0;     ///< cents at the middle of the notes
    std::vector<double> off; ///< cents, note by note
};
/// Fails for fewer than two notes, notes less than an octave apart, or what is no frequency.
Result<Tracked> trackingOf(std::span<const PlayedNote> notes);
/// The module with that pitch input as wide as it was found; `centsPerOctave` 0 leaves it as its maker did. Fails if
/// there is no such jack, or it takes no pitch.
Result<ModuleInfo> withTracking(const ModuleInfo& module, const std::string& part, const std::string& jack,
                                double centsPerOctave);
/// What an output does on the metal, beside what its maker says.
struct Trim {
    double decibels = 0.0; ///< louder by
    double offset = 0.0;   ///< volts more
};
/// The module with that output louder and shifted by so much more than before. Fails if there is no such jack, it is an
/// input, or the shift is beyond the rails.
Result<ModuleInfo> withTrim(const ModuleInfo& module, const std::string& part, const std::string& jack,
                            const Trim& trim);
/// The module with so much noise on its outputs in the real case, in microvolts RMS.
Result<ModuleInfo> withNoise(const ModuleInfo& module, double microvolts);
/// Three notes that tell it best: two octaves below the middle, the middle, and two above.
inline constexpr std::array kNotesToRecord = {36, 60, 84};

} // namespace lariat
