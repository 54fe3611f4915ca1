// Reach: how far what arrives at the CV inputs really moves a control.
#pragma once

#include "library/library.h"

#include <functional>
#include <optional>
#include <utility>

namespace lariat {

/// From … to, in the unit of the control.
using Span = std::pair<double, double>;
/// Lowest and highest volts that have arrived at an input of late; nothing if it is not fed.
using VoltsAt = std::function<std::optional<Span>(const JackRef& input)>;

/// The stretch that this knob's control is moved over: where the knob stands, moved by each CV input that aims at it,
/// scaled by that input's amount, and kept within the knob's range. Nothing if no input that is fed aims at it.
/// The laws are those that the blocks state beside their jacks (JackSpec::aims).
std::optional<Span> reachOf(const Post& post, const PartInfo& part, const KnobInfo& knob, const VoltsAt& volts);

} // namespace lariat
