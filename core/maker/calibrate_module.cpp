#include "maker/calibrate_module.h"

#include "measure/measure.h"
#include "plan/goal.h"
#include "units/letters.h"
#include "units/level.h"
#include "units/pitch.h"

#include <algorithm>
#include <cmath>

namespace lariat {
namespace {

constexpr double kQuiet = 1e-3;      // 60 dB down
constexpr double kMostTrim = 12.0;   // dB
constexpr double kMostOffset = 2.0;  // volts
constexpr double kMostNoise = 100e3; // microvolts

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

/// What the description says of a jack of its own; it is named there if it was not.
JackDescription& described(ModuleDescription& module, const PartInfo& part, const std::string& jack) {
    PartDescription& there = *std::ranges::find(module.parts, part.id, &PartDescription::id);
    const auto name = [&](const std::string& id) {
        JackDescription named;
        named.id = id;
        there.jacks.push_back(std::move(named));
    };
    if (std::ranges::find(there.jacks, jack, &JackDescription::id) == there.jacks.end()) {
        if (there.showsAll) {
            name(jack);
        } else { // the part shows all of its block: where one jack is named, all are
            there.jacks.clear();
            for (const JackInfo& one : part.jacks) name(one.id);
        }
    }
    return *std::ranges::find(there.jacks, jack, &JackDescription::id);
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

Result<Tracked> trackingOf(std::span<const PlayedNote> notes) {
    if (notes.size() < 2) return failure(say("two notes at least are needed; three, two octaves apart, tell best"));
    double n = 0.0;
    double sx = 0.0;
    double sy = 0.0;
    double sxx = 0.0;
    double sxy = 0.0;
    double low = 1e9;
    double high = -1e9;
    std::vector<double> cents;
    for (const PlayedNote& one : notes) {
        if (!(one.hertz > 1.0 && one.hertz < 50000.0)) return failure(say("{:g} Hz is no pitch", one.hertz));
        const double octaves = (one.note - 60.0) / 12.0;
        cents.push_back(1200.0 * std::log2(one.hertz / noteToHertz(one.note).value));
        low = std::min(low, octaves);
        high = std::max(high, octaves);
        n += 1.0;
        sx += octaves;
        sy += cents.back();
        sxx += octaves * octaves;
        sxy += octaves * cents.back();
    }
    if (high - low < 0.999)
        return failure(say("the notes lie less than an octave apart, which tells nothing of an octave"));
    Tracked out;
    out.centsPerOctave = (n * sxy - sx * sy) / (n * sxx - sx * sx);
    out.middle = sy / n;
    for (std::size_t i = 0; i < notes.size(); ++i)
        out.off.push_back(cents[i] - out.middle - out.centsPerOctave * ((notes[i].note - 60.0) / 12.0 - sx / n));
    return out;
}

Result<ModuleInfo> withTrim(const ModuleInfo& module, const std::string& part, const std::string& jack,
                            const Trim& trim) {
    const PartInfo* info = module.part(part);
    if (!info) return failure(say("{} has no part \"{}\"", module.description.name, part));
    const JackInfo* output = info->jack(jack);
    if (!output || !output->output) return failure(say("{} has no output \"{}\"", info->name, jack));
    const double ratio = toRatio({trim.decibels});
    const double offset = ratio * output->scaling.offset + trim.offset;
    if (!(std::abs(trim.decibels) <= kMostTrim) || !(std::abs(offset) <= kMostOffset))
        return failure(say("{:+.1f} dB and {:+.2f} V are no trim of an output", trim.decibels, offset));
    ModuleDescription changed = module.description;
    JackDescription& there = described(changed, *info, jack);
    there.scaling.gain = output->scaling.gain * ratio;
    there.scaling.offset = offset;
    return resolveModule(changed);
}

Result<ModuleInfo> withNoise(const ModuleInfo& module, double microvolts) {
    if (!(microvolts >= 0.0 && microvolts <= kMostNoise))
        return failure(say("{:g} µV are no noise of an output", microvolts));
    ModuleDescription changed = module.description;
    changed.noiseMicrovolts = microvolts;
    return resolveModule(changed);
}

Result<ModuleInfo> withTracking(const ModuleInfo& module, const std::string& part, const std::string& jack,
                                double centsPerOctave) {
    const PartInfo* info = module.part(part);
    if (!info) return failure(say("{} has no part \"{}\"", module.description.name, part));
    const JackInfo* input = info->jack(jack);
    if (!input) return failure(say("{} has no jack \"{}\"", info->name, jack));
    if (input->output || input->kind != SignalKind::Pitch || input->scaling.hertzPerVolt)
        return failure(say("{} of {} is no pitch input of one volt an octave", input->name, info->name));
    if (std::abs(centsPerOctave) > 600.0)
        return failure(say("{:+.0f} cents an octave are no tracking", centsPerOctave));
    ModuleDescription changed = module.description;
    described(changed, *info, jack).scaling.gain = 1.0 / (1.0 + centsPerOctave / 1200.0);
    return resolveModule(changed);
}

} // namespace lariat
