// Levels: volts against dBu and dBFS.
//
// 0 dBu = sqrt(0.6) V RMS = 0.7746 V (IEC 60268). Lariat's full scale is 10 V peak at the line-out jack,
// so that the hottest clean case signal is 0 dBFS.
#pragma once

#include "units/quantity.h"

#include <algorithm>
#include <cmath>

namespace lariat {

inline constexpr double kFullScaleVolts = 10.0;
inline constexpr double kSilenceDecibels = -144.0;

/// 20 log10 of a ratio, never below kSilenceDecibels.
inline Decibels toDecibels(double ratio) {
    const double magnitude = std::abs(ratio);
    return {magnitude > 0.0 ? std::max(kSilenceDecibels, 20.0 * std::log10(magnitude)) : kSilenceDecibels};
}
/// Inverse of toDecibels above its floor.
inline double toRatio(Decibels level) {
    return std::pow(10.0, level.value / 20.0);
}
/// dBu of a voltage given as RMS.
inline Decibels toDbu(Volts rms) {
    return toDecibels(rms.value / std::sqrt(0.6));
}
/// dBFS of a peak voltage.
inline Decibels toDbfs(Volts peak) {
    return toDecibels(peak.value / kFullScaleVolts);
}

} // namespace lariat
