#include "plan/goal.h"

#include "engine/render.h"
#include "measure/formants.h"
#include "measure/measure.h"
#include "measure/partials.h"
#include "timing/lines.h"
#include "units/pitch.h"
#include "units/scale.h"

#include <algorithm>
#include <cmath>

namespace lariat {
namespace {

constexpr double kNothing = 1e5;  ///< tolerances, of what cannot be measured
constexpr double kWindow = 0.005; ///< seconds

/// RMS of windows of 5 ms.
std::vector<double> levels(std::span<const float> volts, double rate) {
    const auto size = std::max<std::size_t>(1, static_cast<std::size_t>(rate * kWindow));
    std::vector<double> out;
    for (std::size_t at = 0; at + size <= volts.size(); at += size) {
        double sum = 0.0;
        for (std::size_t i = at; i < at + size; ++i)
            sum += static_cast<double>(volts[i]) * static_cast<double>(volts[i]);
        out.push_back(std::sqrt(sum / static_cast<double>(size)));
    }
    return out;
}

std::optional<double> lengthOf(std::span<const float> volts, double rate) {
    const std::vector<double> all = levels(volts, rate);
    if (all.empty()) return std::nullopt;
    const auto loudest = std::ranges::max_element(all);
    if (*loudest < 1e-3) return std::nullopt;
    // Of several hits, the first: from where it is within 1 dB of the loudest.
    const auto first = std::ranges::find_if(all, [&](double level) { return level > 0.89 * *loudest; });
    const auto silent = std::find_if(first, all.end(), [&](double level) { return level < 0.001 * *loudest; });
    return kWindow * static_cast<double>(silent - first);
}

/// What dies away brought to one level: of a tail that falls steeply, one period is not like the next. The fall is the
/// line through the logarithm of four levels.
std::vector<float> evenedOut(std::span<const float> volts, double rate) {
    std::vector<float> out(volts.begin(), volts.end());
    constexpr std::size_t kParts = 4;
    const std::size_t size = volts.size() / kParts;
    if (size < 8) return out;
    double slope = 0.0;
    for (std::size_t part = 0; part < kParts; ++part) {
        const double level = measureLevel(volts.subspan(part * size, size)).rms.value;
        if (level < 1e-4) return out;
        slope += (static_cast<double>(part) - 1.5) * std::log(level);
    }
    slope /= 5.0 * static_cast<double>(size); // Σ (part - 1.5)² is 5
    if (slope >= 0.0 || slope * rate < -200.0) return out;
    for (std::size_t i = 0; i < out.size(); ++i)
        out[i] *= static_cast<float>(std::exp(-slope * static_cast<double>(i)));
    return out;
}

/// Rising passages through zero per second, between the first and the last, each found between its samples; nothing if
/// there are less than three.
std::optional<double> crossingsIn(std::span<const float> volts, double rate) {
    double first = -1.0;
    double last = -1.0;
    int count = 0;
    for (std::size_t i = 1; i < volts.size(); ++i) {
        if (!(volts[i - 1] < 0.0f && volts[i] >= 0.0f)) continue;
        const double before = static_cast<double>(-volts[i - 1]);
        last = static_cast<double>(i) - 1.0 + before / (before + static_cast<double>(volts[i]));
        if (count++ == 0) first = last;
    }
    if (count < 3) return std::nullopt;
    return rate * (count - 1) / (last - first);
}

/// The pitch of what sounds steadily or dies away. A tail of a few periods is nearly a sine: where it passes zero says
/// more than how alike its periods are.
std::optional<double> pitchIn(std::span<const float> volts, double rate) {
    if (measureLevel(volts).rms.value < 1e-3) return std::nullopt;
    const std::vector<float> even = evenedOut(volts, rate);
    const auto pitch = measurePitch(even, rate, {1e-3});
    const auto crossings = crossingsIn(even, rate);
    const double seconds = static_cast<double>(volts.size()) / rate;
    if (crossings && *crossings * seconds < 16.0 &&
        (!pitch || std::abs(std::log2(*crossings / pitch->hertz.value)) < 0.1))
        return crossings;
    return pitch ? std::optional(pitch->hertz.value) : std::nullopt;
}

std::optional<double> brightnessIn(std::span<const float> volts, double rate) {
    if (volts.size() < 64 || measureLevel(volts).rms.value < 1e-3) return std::nullopt;
    const double hertz = brightnessOf(measureSpectrum(volts, rate));
    return hertz > 0.0 ? std::optional(hertz) : std::nullopt;
}

std::optional<double> alikeOf(std::span<const float> volts, double rate) {
    const std::vector<double> all = levels(volts, rate);
    if (all.empty()) return std::nullopt;
    const double loudest = *std::ranges::max_element(all);
    if (loudest < 1e-3) return std::nullopt;
    // Where it rises past a tenth of the loudest, to the sample.
    const double peak = measureLevel(volts).peak().value;
    const auto threshold = static_cast<float>(0.1 * loudest);
    const auto length = static_cast<std::size_t>(0.03 * rate);
    std::vector<std::size_t> hits;
    std::size_t quiet = static_cast<std::size_t>(0.02 * rate);
    for (std::size_t i = 0; i + length < volts.size(); ++i) {
        if (std::abs(volts[i]) < threshold) {
            ++quiet;
            continue;
        }
        // A tail that swings past the threshold once more is no hit: that grows to half of the loudest at once.
        if (quiet >= static_cast<std::size_t>(0.02 * rate) &&
            measureLevel(volts.subspan(i, length)).peak().value > 0.5 * peak)
            hits.push_back(i);
        quiet = 0;
    }
    if (hits.size() < 2) return std::nullopt;
    double power = 0.0;
    for (std::size_t i = 0; i < length; ++i) power += std::pow(static_cast<double>(volts[hits[0] + i]), 2);
    double worst = 0.0;
    for (std::size_t h = 1; h < hits.size(); ++h) {
        // Where it begins is found only about, and between samples: the place at which it is most like the first one
        // counts, within half a millisecond to the sample, then to a tenth of one.
        const auto unlike = [&](double shift) {
            const double whole = std::floor(shift);
            const auto part = static_cast<float>(shift - whole);
            double sum = 0.0;
            for (std::size_t i = 0; i < length; ++i) {
                const long place = static_cast<long>(hits[h] + i) + static_cast<long>(whole);
                if (place < 0 || place + 1 >= static_cast<long>(volts.size())) continue;
                const float here = volts[static_cast<std::size_t>(place)];
                const float between = here + part * (volts[static_cast<std::size_t>(place) + 1] - here);
                sum += std::pow(static_cast<double>(between - volts[hits[0] + i]), 2);
            }
            return sum;
        };
        double best = 1e9;
        double where = 0.0;
        const auto look = [&](double middle, double reach, double step) {
            for (double shift = middle - reach; shift <= middle + reach; shift += step)
                if (const double sum = unlike(shift); sum < best) {
                    best = sum;
                    where = shift;
                }
        };
        look(0.0, std::round(0.0005 * rate), 1.0);
        look(where, 1.0, 0.1);
        worst = std::max(worst, best);
    }
    return power > 0.0 ? std::optional(100.0 * std::sqrt(worst / power)) : std::nullopt;
}

} // namespace

std::string goalText(GoalKind kind, double value) {
    switch (kind) {
    case GoalKind::Pitch: {
        const auto near = nearestNote(noteToHertz(value));
        const double cents = near.off.value;
        return std::abs(cents) < 0.5 ? noteName(near.note)
                                     : fmt::format("{} {:+.0f} cents", noteName(near.note), cents);
    }
    case GoalKind::Length:
        return Scale{Unit::Seconds, 0.0, 60.0}.text(value);
    case GoalKind::Peak:
    case GoalKind::Level:
    case GoalKind::Lowest:
    case GoalKind::Highest:
        return fmt::format("{:.2f} V", value);
    case GoalKind::Brightness:
    case GoalKind::Formant:
    case GoalKind::Rate:
        return Scale{Unit::Hertz, 0.001, 20000.0}.text(value);
    case GoalKind::Alike:
        return fmt::format("{:.2f} %", value);
    case GoalKind::Like:
        return fmt::format("{:.2f} dB", value);
    }
    return {};
}

namespace {

Scale scaleOf(GoalKind kind) {
    switch (kind) {
    case GoalKind::Length:
        return {Unit::Seconds, 0.0, 60.0};
    case GoalKind::Brightness:
    case GoalKind::Formant:
    case GoalKind::Rate:
        return {Unit::Hertz, 0.0, 20000.0};
    case GoalKind::Alike:
        return {Unit::Percent, 0.0, 200.0};
    case GoalKind::Pitch:
        return {Unit::Cents, 0.0, 12000.0};
    default:
        return {Unit::Volts, -12.0, 12.0};
    }
}

} // namespace

Result<double> readGoalValue(GoalKind kind, const std::string& text) {
    if (kind == GoalKind::Pitch) {
        if (const auto note = parseNote(text)) return static_cast<double>(*note);
        if (const auto hertz = Scale{Unit::Hertz, 1.0, 20000.0}.parse(text); hertz && *hertz > 0.0)
            return 60.0 + 12.0 * toVolts({*hertz}).value;
        return failure(say("\"{}\" is no pitch: write a note such as D1, or a frequency", text));
    }
    if (const auto value = scaleOf(kind).parse(text)) return *value;
    return failure(say("\"{}\" cannot be read; {} is expected", text, scaleOf(kind).expectation()));
}

Result<double> readGoalTolerance(GoalKind kind, double want, const std::string& text) {
    std::optional<double> value;
    if (text.find('%') != std::string::npos && kind != GoalKind::Alike && kind != GoalKind::Pitch) {
        if (const auto part = Scale{Unit::Percent, 0.0, 100.0}.parse(text)) value = 0.01 * *part * std::abs(want);
    } else {
        value = scaleOf(kind).parse(text);
        if (value && kind == GoalKind::Pitch) *value /= 100.0;
    }
    if (!value || !(*value > 0.0))
        return failure(say("\"{}\" is no tolerance: write one above zero, as \"5 cents\" or \"3 %\"", text));
    return *value;
}

Result<GoalKind> readGoalKind(const std::string& name) {
    std::vector<std::string> names;
    for (int i = 0; i < kGoalKindCount; ++i) {
        names.emplace_back(goalKindName(static_cast<GoalKind>(i)));
        if (names.back() == name) return static_cast<GoalKind>(i);
    }
    return failure(say("\"{}\" cannot be measured; {} can", name, fmt::join(names, ", ")));
}

double GoalReading::miss() const {
    if (!measured) return kNothing;
    return std::min(kNothing, std::abs(*measured - goal.want) / std::max(1e-12, goal.within));
}

std::string GoalReading::text() const {
    return measured ? goalText(goal.kind, *measured) : std::string("nothing to measure");
}

std::string GoalReading::wanted() const {
    if (goal.kind == GoalKind::Pitch)
        return fmt::format("{} ± {:.0f} cents", goalText(goal.kind, goal.want), 100.0 * goal.within);
    if (goal.kind == GoalKind::Alike) return fmt::format("below {:g} %", goal.want + goal.within);
    if (goal.kind == GoalKind::Like) return fmt::format("below {:.2f} dB", goal.want + goal.within);
    return fmt::format("{} ± {}", goalText(goal.kind, goal.want), goalText(goal.kind, goal.within));
}

std::optional<double> measureGoal(const Goal& goal, std::span<const float> volts, double rate) {
    const auto place = [&](double seconds) { return std::min(volts.size(), static_cast<std::size_t>(seconds * rate)); };
    const auto window = volts.subspan(place(goal.from), place(goal.to) - place(goal.from));
    if (window.empty()) return std::nullopt;
    switch (goal.kind) {
    case GoalKind::Pitch: {
        const auto hertz = pitchIn(window, rate);
        if (!hertz) return std::nullopt;
        return 60.0 + 12.0 * toVolts({*hertz}).value;
    }
    case GoalKind::Length:
        return lengthOf(window, rate);
    case GoalKind::Peak:
        return measureLevel(window).peak().value;
    case GoalKind::Level: {
        const LevelReading level = measureLevel(window);
        return level.alternating().value;
    }
    case GoalKind::Brightness:
        return brightnessIn(window, rate);
    case GoalKind::Formant: {
        const auto formants = measureFormants(window, rate);
        if (formants.empty()) return std::nullopt;
        return formants.front().hertz;
    }
    case GoalKind::Rate: {
        const auto edges = risingEdges(window, rate);
        if (edges.size() < 2) return std::nullopt;
        return static_cast<double>(edges.size() - 1) / (edges.back() - edges.front());
    }
    case GoalKind::Lowest:
        return measureLevel(window).min.value;
    case GoalKind::Highest:
        return measureLevel(window).max.value;
    case GoalKind::Alike:
        return alikeOf(window, rate);
    case GoalKind::Like:
        if (!goal.like) return std::nullopt;
        return unlikeness(*goal.like, likenessOf(window, rate));
    }
    return std::nullopt;
}

Result<std::vector<GoalReading>> measureGoals(const Patch& patch, const Library& library,
                                              const std::vector<Goal>& goals, const std::function<bool()>& goesOn) {
    Renderer::Settings settings;
    double seconds = 0.0;
    bool mix = false;
    for (const Goal& goal : goals) {
        seconds = std::max(seconds, goal.to);
        if (goal.at.post.empty())
            mix = true;
        else if (std::ranges::count(settings.probes, goal.at) == 0)
            settings.probes.push_back(goal.at);
    }
    for (const JackRef& probe : settings.probes)
        if (!library.jack(patch, probe)) return failure(say("there is no jack {} to measure at", probe.text()));
    const Patch heard = mix ? patch : onlyWhatReaches(patch, library, settings.probes);
    auto renderer = Renderer::make(heard, library, settings);
    if (!renderer) return tl::unexpected(renderer.error());
    std::vector<std::vector<float>> recorded(settings.probes.size() + 1);
    for (auto& one : recorded) one.reserve(static_cast<std::size_t>(seconds * renderer->rate()) + kRun);
    const bool ended = renderer->run(seconds, [&](const RunView& run) {
        for (std::size_t i = 0; i < settings.probes.size(); ++i)
            recorded[i].insert(recorded[i].end(), run.probes[i]->volts.begin(), run.probes[i]->volts.end());
        if (mix) recorded.back().insert(recorded.back().end(), run.left.begin(), run.left.end());
        return !goesOn || goesOn();
    });
    if (!ended) return failure(say("stopped"));
    std::vector<GoalReading> out;
    for (const Goal& goal : goals) {
        const auto probe = std::ranges::find(settings.probes, goal.at);
        const auto index =
            goal.at.post.empty() ? recorded.size() - 1 : static_cast<std::size_t>(probe - settings.probes.begin());
        out.push_back({goal, measureGoal(goal, recorded[index], renderer->rate())});
    }
    return out;
}

} // namespace lariat
