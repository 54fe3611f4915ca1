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
/// scaled by that input's amount. It is what happens at the target: pitch and cut-off go on beyond the ends of the
/// dial, everything else is kept within them. Nothing if no input that is fed aims at it.
/// The laws are those that the blocks state beside their jacks (JackSpec::aims).
std::optional<Span> reachOf(const Post& post, const PartInfo& part, const KnobInfo& knob, const VoltsAt& volts);

/// Where this knob, as the amount of a CV input, has to stand so that what arrives there moves a pitch or a cut-off by
/// exactly one octave. Nothing if it is no such amount, if hardly anything arrives, or if that is beyond its range.
std::optional<double> depthForAnOctave(const PartInfo& part, const KnobInfo& amount, const Post& post,
                                       const VoltsAt& volts);

} // namespace lariat
