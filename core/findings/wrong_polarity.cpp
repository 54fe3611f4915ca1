// Bipolar into a unipolar input: what opens from 0 V on is shut for half of every swing. Unipolar where an offset is
// wanted: a pan that only ever goes to one side.
#include "findings/aims.h"
#include "findings/rules.h"
#include "measure/measure.h"

#include <algorithm>
#include <cmath>
#include <set>

namespace lariat {
namespace {

constexpr double kShutTooLong = 0.1; ///< part of the time

/// Nothing comes out while it is below where it opens: what multiplies with the sign turns the sound over instead.
bool isSilentBelow(std::span<const float> opens, std::span<const float> sound, double closesAt) {
    double below = 0.0;
    double above = 0.0;
    for (std::size_t i = 0; i < std::min(opens.size(), sound.size()); ++i) {
        const auto power = static_cast<double>(sound[i] * sound[i]);
        (static_cast<double>(opens[i]) < closesAt ? below : above) += power;
    }
    return below < 0.01 * above;
}

/// Something plugged in swings around zero, and shuts a way that opens from there on.
std::optional<Finding> shutFor(const Walk& w, const Way& opens) {
    const int cable = w.cableOf(opens);
    const auto volts = w.volts(opens);
    const double amount = 100.0 * w.map.gain(opens);
    const LevelReading level = measureLevel(volts);
    if (cable == 0 || volts.empty() || amount <= 0.0 || level.min.value > -0.5 || level.max.value < 0.5)
        return std::nullopt;
    const double offset = w.map.control(opens.node, opens.opener);
    const double closesAt = -offset / (0.01 * amount * kOpensPerVolt);
    const auto shut = std::ranges::count_if(volts, [&](float v) { return static_cast<double>(v) < closesAt; });
    const double part = static_cast<double>(shut) / static_cast<double>(volts.size());
    if (part < kShutTooLong || !isSilentBelow(volts, w.comingOut({opens.node, opens.output, 0}), closesAt))
        return std::nullopt;
    Finding finding{"wrong-polarity",
                    Severity::Caution,
                    cable,
                    w.postOf(opens.node),
                    say("{:.1f}…{:+.1f} V, shut {:.0f} % of the time", level.min.value, level.max.value, 100.0 * part),
                    say("{} opens from 0 V on; what goes below zero shuts it. An offset lifts the whole swing.",
                        w.name(opens.node)),
                    {}};
    const double wanted = -level.min.value * amount * 0.01 * kOpensPerVolt;
    if (wanted <= 100.0) {
        finding.fixes = w.turn(opens.node, opens.opener, std::ceil(wanted));
    } else if (opens.hasAmount) { // more than the offset can lift: halve both
        finding.fixes = w.turn(opens.node, opens.opener, 50.0);
        const std::vector<Fix> less =
            w.turn(opens.node, opens.levels.front(), std::floor(100.0 * 50.0 / (kOpensPerVolt * -level.min.value)));
        if (!finding.fixes.empty() && !less.empty()) finding.fixes.front().edits.push_back(less.front().edits.front());
    }
    return finding;
}

/// A position between two sides that stands in the middle, and is only ever pushed to one of them.
std::optional<Finding> lopsided(const Walk& w, int node, int control) {
    const Scale& scale = w.map.node(node).type->controls[idx(control)].scale;
    const auto movers = moversOf(w, node, control);
    if (scale.unit != Unit::Percent || scale.min != -100.0 || movers.size() != 1) return std::nullopt;
    const Mover& mover = movers.front();
    const LevelReading level = measureLevel(w.volts(*mover.way));
    const double stands = w.map.control(node, control);
    const double middle = stands + mover.perVolt * 0.5 * (level.max.value + level.min.value);
    if (level.swing().value < 1.0 || level.min.value < -0.2 || std::abs(middle) < 20.0 || std::abs(stands) > 5.0)
        return std::nullopt;
    return Finding{
        "wrong-polarity",
        Severity::Caution,
        w.cableOf(*mover.way),
        w.postOf(node),
        say("0…{:+.1f} V pans to one side only", level.max.value),
        say("{} stands in the middle and is pushed only one way. Set its pan to the other side.", w.name(node)),
        w.turn(node, control, std::round(std::clamp(stands - middle, -100.0, 100.0)))};
}

/// Controls that place one sound between two outputs: called a pan.
std::vector<int> pansOf(const Walk& w, int node) {
    std::vector<int> found;
    const auto& controls = w.map.node(node).type->controls;
    for (std::size_t c = 0; c < controls.size(); ++c)
        if (controls[c].id == "pan" || controls[c].id.starts_with("pan-"))
            if (controls[c].scale.unit == Unit::Percent && !controls[c].id.ends_with("amount"))
                found.push_back(static_cast<int>(c));
    return found;
}

} // namespace

Findings findWrongPolarity(const Observation& o) {
    Findings out;
    const Walk w(o);
    for (int n = 0; n < w.map.nodeCount(); ++n) {
        std::set<int> looked; // an input opens both sides
        for (const Way& way : w.map.ways(n))
            if (way.does == Does::Opens && way.opener >= 0 && looked.insert(way.input).second)
                if (auto found = shutFor(w, way)) out.push_back(std::move(*found));
        for (const int pan : pansOf(w, n))
            if (auto found = lopsided(w, n, pan)) out.push_back(std::move(*found));
    }
    return out;
}

} // namespace lariat
