// What there is to say, in sum, of the strikes of a contour and of the hits of a sound.
#pragma once

#include "timing/responses.h"

#include <span>

namespace lariat {

/// Sustain reached, tails that run on, notes without a gate of their own, stage gates that never fire.
void addFacts(ContourResponse& contour, const Patch& patch, const Library& library);

/// How alike the hits of a lane are, and the note that their tail comes to rest on. `volts` is the whole run, `starts`
/// the seconds in it at which the strikes of `opener` came; `key` is what is written at the patch's head.
void addFacts(SoundResponse& sound, const ContourResponse& opener, std::span<const double> starts,
              std::span<const float> volts, double rate, const std::string& key);

} // namespace lariat
