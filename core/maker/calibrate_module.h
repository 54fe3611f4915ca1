// A knob of a module, calibrated by what was read off its metal.
#pragma once

#include "library/library.h"

#include <optional>
#include <span>
#include <string>

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

} // namespace lariat
