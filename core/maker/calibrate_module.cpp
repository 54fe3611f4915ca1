#include "maker/calibrate_module.h"

#include "measure/measure.h"
#include "plan/goal.h"
#include "units/letters.h"

#include <algorithm>
#include <cmath>

namespace lariat {
namespace {

constexpr double kQuiet = 1e-3; // 60 dB down

/// Seconds from the first sound to the loudest.
std::optional<double> riseOf(std::span<const float> volts, double rate) {
    const auto peak = std::ranges::max_element(volts, {}, [](float v) { return std::abs(v); });
    if (peak == volts.end() || std::abs(*peak) < kQuiet) return std::nullopt;
    const auto first = std::ranges::find_if(volts, [&](float v) { return std::abs(v) > kQuiet * std::abs(*peak); });
    return static_cast<double>(peak - first) / rate;
}

std::optional<double> voltsOf(std::span<const float> volts) {
    if (volts.empty()) return std::nullopt;
    const LevelReading level = measureLevel(volts);
    const bool steady = level.swing().value < 0.02 * std::max(1.0, std::abs(level.mean.value));
    return steady ? level.mean.value : level.peak().value;
}

} // namespace

Result<ModuleInfo> withCalibration(const ModuleInfo& module, const std::string& part, const std::string& knob,
                                   const Calibration& calibration) {
    const PartInfo* info = module.part(part);
    if (!info) return failure(say("{} has no part \"{}\"", module.description.name, part));
    if (!info->knob(knob)) return failure(say("{} has no knob \"{}\"", info->name, knob));
    ModuleDescription changed = module.description;
    PartDescription& there = *std::ranges::find(changed.parts, part, &PartDescription::id);
    auto it = std::ranges::find(there.knobs, knob, &KnobDescription::id);
    if (it == there.knobs.end()) {
        // The part shows all of its block: where one knob is named, all are.
        if (!there.showsAll) {
            there.knobs.clear();
            for (const KnobInfo& one : info->knobs) there.knobs.push_back({one.id, "", "", {}, {}, {}, {}, {}, {}});
        } else {
            there.knobs.push_back({knob, "", "", {}, {}, {}, {}, {}, {}});
        }
        it = std::ranges::find(there.knobs, knob, &KnobDescription::id);
    }
    it->calibration = calibration;
    return resolveModule(changed);
}

Calibration calibrationOf(const ModuleInfo& module, const std::string& part, const std::string& knob) {
    for (const PartDescription& one : module.description.parts)
        if (one.id == part)
            for (const KnobDescription& other : one.knobs)
                if (other.id == knob) return other.calibration;
    return {};
}

std::optional<Heard> heardOf(const KnobInfo& knob) {
    switch (knob.scale.unit) {
    case Unit::Hertz:
        return Heard::Rate;
    case Unit::Bpm:
        return Heard::Tempo;
    case Unit::Volts:
        return Heard::Volts;
    case Unit::Seconds:
        return lower(knob.id).find("attack") != std::string::npos || lower(knob.id).find("rise") != std::string::npos
                   ? Heard::Rise
                   : Heard::Fall;
    default:
        return std::nullopt;
    }
}

Result<double> hearReading(Heard what, std::span<const float> volts, double rate) {
    std::optional<double> heard;
    switch (what) {
    case Heard::Rate:
        if (const auto pitch = measurePitch(volts, rate)) heard = pitch->hertz.value;
        [[fallthrough]];
    case Heard::Tempo:
        if (!heard)
            heard =
                measureGoal({"", GoalKind::Rate, {}, 0, 0, 0, static_cast<double>(volts.size()) / rate}, volts, rate);
        if (heard && what == Heard::Tempo) heard = 60.0 * *heard;
        break;
    case Heard::Rise:
        heard = riseOf(volts, rate);
        break;
    case Heard::Fall:
        heard = measureGoal({"", GoalKind::Length, {}, 0, 0, 0, static_cast<double>(volts.size()) / rate}, volts, rate);
        break;
    case Heard::Volts:
        heard = voltsOf(volts);
        break;
    }
    if (!heard || !std::isfinite(*heard) || (what != Heard::Volts && *heard <= 0.0))
        return failure(say("this recording tells nothing of it: it is silent, too short, or of another kind"));
    return *heard;
}

} // namespace lariat
