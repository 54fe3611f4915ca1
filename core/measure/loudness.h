// Loudness as ears weigh it: ITU-R BS.1770, by libebur128.
#pragma once

#include <optional>
#include <span>

namespace lariat {

/// Integrated loudness in LUFS of interleaved stereo at ±1 full scale. Nothing for what is shorter than 0.4 s, or so
/// quiet (below -70 LUFS) that the gates let nothing through.
std::optional<double> measureLoudness(std::span<const float> interleaved, double rate);

} // namespace lariat
