#include "measure/reading.h"

#include "units/pitch.h"
#include "units/scale.h"

#include <algorithm>
#include <cmath>
#include <set>
#include <vector>

#include <fmt/format.h>

namespace lariat {
namespace {

constexpr double kLowestTone = 20.0;

/// The rate of a clock or gate from the times at which its spans rise, if they come evenly within a tenth.
std::optional<double> steadyRate(std::span<const MinMax> spans, double spanSeconds) {
    std::vector<double> rises;
    bool high = !spans.empty() && spans[0].max > 2.0f;
    for (std::size_t i = 1; i < spans.size(); ++i) {
        if (!high && spans[i].max > 2.0f) {
            rises.push_back(static_cast<double>(i) * spanSeconds);
            high = true;
        } else if (high && spans[i].min < 1.0f) {
            high = spans[i].max > 2.0f && spans[i].min >= 1.0f;
        }
    }
    if (rises.size() < 3) return std::nullopt;
    const double mean = (rises.back() - rises.front()) / static_cast<double>(rises.size() - 1);
    for (std::size_t i = 1; i < rises.size(); ++i)
        if (std::abs(rises[i] - rises[i - 1] - mean) > std::max(0.1 * mean, 2.0 * spanSeconds)) return std::nullopt;
    return 1.0 / mean;
}

/// Both ends of a gate fall somewhere inside their spans: one span too many on average, one and a half for the longest.
std::optional<double> longestOpen(std::span<const MinMax> spans, double spanSeconds) {
    std::size_t longest = 0;
    std::size_t length = 0;
    for (const MinMax& span : spans) {
        length = span.max > 2.0f ? length + 1 : 0;
        longest = std::max(longest, length);
    }
    if (longest == 0) return std::nullopt;
    return std::max(0.5, static_cast<double>(longest) - 1.5) * spanSeconds;
}

/// Whether the range over windows of 25 ms falls below a quarter of its largest.
bool levelVaries(std::span<const MinMax> spans, double spanSeconds) {
    const auto window = std::max<std::size_t>(1, static_cast<std::size_t>(0.025 / spanSeconds));
    float largest = 0.0f;
    float smallest = 1e9f;
    for (std::size_t i = 0; i + window <= spans.size(); i += window) {
        MinMax range = spans[i];
        for (const MinMax& span : spans.subspan(i, window))
            range = {std::min(range.min, span.min), std::max(range.max, span.max)};
        largest = std::max(largest, range.max - range.min);
        smallest = std::min(smallest, range.max - range.min);
    }
    return smallest < 0.25f * largest;
}

/// The mean over as many whole periods as there are; a window that fades in and out over the first and the last of them
/// makes it the same wherever it begins.
double meanOverPeriods(std::span<const float> samples, double rate, double hertz) {
    const double period = rate / hertz;
    const double whole = std::floor(static_cast<double>(samples.size()) / period) * period;
    if (whole < 2.0 * period) return measureLevel(samples).mean.value;
    double sum = 0.0;
    double weights = 0.0;
    for (std::size_t i = 0; i < samples.size() && static_cast<double>(i) < whole; ++i) {
        const double at = static_cast<double>(i);
        const double weight = std::min({1.0, (at + 0.5) / period, (whole - at - 0.5) / period});
        sum += weight * static_cast<double>(samples[i]);
        weights += weight;
    }
    return sum / weights;
}

} // namespace

Reading readSignal(std::span<const float> samples, double rate, std::span<const MinMax> spans, double spanSeconds,
                   SignalKind jack) {
    Reading out;
    out.kind = jack;
    MinMax range = samples.empty() ? MinMax{} : MinMax{samples[0], samples[0]};
    for (const float v : samples) range = {std::min(range.min, v), std::max(range.max, v)};
    for (const MinMax& span : spans) range = {std::min(range.min, span.min), std::max(range.max, span.max)};
    out.min = {static_cast<double>(range.min)};
    out.max = {static_cast<double>(range.max)};
    out.clips = std::max(-range.min, range.max) > 10.02f;
    if (jack == SignalKind::Gate || jack == SignalKind::Clock) {
        const auto steady = steadyRate(spans, spanSeconds);
        if (steady) out.pitch = Hertz{*steady};
        if (const auto open = longestOpen(spans, spanSeconds)) out.highTime = Seconds{*open};
        return out;
    }
    if (jack == SignalKind::Pitch) return out;
    out.dc = measureLevel(samples).mean;
    out.comesAndGoes = levelVaries(spans, spanSeconds);
    if (const auto pitch = pitchOfFrame(samples, rate)) {
        out.kind = SignalKind::Audio;
        out.pitch = pitch->hertz;
        out.clarity = pitch->clarity;
        if (out.clarity > kSteadyClarity) out.dc = {meanOverPeriods(samples, rate, pitch->hertz.value)};
    } else {
        // Noise is audio too: it crosses its mean far more often than any control does.
        const auto mean = static_cast<float>(measureLevel(samples).mean.value);
        int crossings = 0;
        for (std::size_t i = 1; i < samples.size(); ++i) crossings += (samples[i - 1] < mean) != (samples[i] < mean);
        const double perSecond = samples.empty() ? 0.0 : crossings * rate / static_cast<double>(samples.size());
        const bool moves = range.max - range.min > 0.01f;
        if (moves && perSecond > 2.0 * kLowestTone)
            out.kind = SignalKind::Audio;
        else if (jack == SignalKind::Audio && moves)
            out.kind = perSecond > 0.0 ? SignalKind::Audio : jack;
    }
    return out;
}

Reading readRecording(std::span<const float> volts, double rate, SignalKind jack) {
    std::vector<MinMax> spans;
    for (std::size_t i = 0; i + Tap::kPerSpan <= volts.size(); i += Tap::kPerSpan) {
        const auto [low, high] = std::ranges::minmax_element(volts.subspan(i, Tap::kPerSpan));
        spans.push_back({*low, *high});
    }
    // The stretch that repeats itself best speaks for the signal; without any, the newest.
    constexpr std::size_t tries = 16;
    const std::size_t length = std::min<std::size_t>(volts.size(), Tap::kFine / 2);
    Reading out;
    for (std::size_t i = 0; i < tries && (i + 1) * length <= volts.size(); ++i) {
        const auto stretch = volts.subspan(volts.size() - (i + 1) * length, length);
        const Reading reading = readSignal(stretch, rate, spans, Tap::kPerSpan / rate, jack);
        if (i == 0 || reading.clarity > out.clarity) out = reading;
        if (out.clarity > kSteadyClarity || jack == SignalKind::Gate || jack == SignalKind::Clock ||
            jack == SignalKind::Pitch)
            break;
    }
    if (out.highTime) out.highTime = Seconds{longestHigh(volts, rate)};
    if (out.kind == SignalKind::Audio) out.over = pitchOf(volts, rate);
    return out;
}

PitchSource pitchSource(const Patch& patch, const Library& library, const JackRef& output) {
    std::set<JackRef> seen;
    PitchSource out{output, false};
    for (;;) {
        const Post* post = patch.post(out.output.post);
        const PartInfo* part = post ? library.part(*post) : nullptr;
        if (!part || !seen.insert(out.output).second) return {}; // a loop has no head
        std::vector<JackRef> fed;
        JackRef restarter;
        for (const JackInfo& jack : part->jacks) {
            const auto index = static_cast<std::size_t>(jack.at.index);
            if (jack.output) continue;
            const bool sync = part->blocks[static_cast<std::size_t>(jack.at.block)].type->inputs[index].id == "sync";
            if (!sync && jack.kind != SignalKind::Audio) continue;
            const JackRef from = feederOf(patch, library, {post->id, jack.id});
            const JackInfo* feeds = from.post.empty() ? nullptr : library.jack(patch, from);
            if (!feeds || feeds->kind != SignalKind::Audio) continue; // a gate that starts each hit sets no pitch
            if (sync)
                restarter = from;
            else if (std::ranges::find(fed, from) == fed.end())
                fed.push_back(from); // one that reaches a second input behind the panel is one
        }
        if (!restarter.post.empty()) {
            out = {restarter, true};
        } else if (fed.size() == 1) {
            out.output = fed.front();
        } else {
            return fed.empty() && out.output != output ? out : PitchSource{};
        }
    }
}

PitchSummary heardPitch(const PitchSummary& own, const PitchSource& source, const PitchSummary& leading) {
    const bool takes = leading.steady && (source.restarts || !own.steady);
    return takes ? leading : own;
}

std::string rangeText(const Reading& reading) {
    const bool pitch = reading.kind == SignalKind::Pitch;
    const double low = reading.min.value;
    const double high = reading.max.value;
    const bool still = high - low < 0.005;
    const auto volts = [&](double v) {
        const double least = pitch || still ? 0.005 : 0.05;
        if (std::abs(v) < least) return std::string(pitch || still ? "0.00" : "0.0");
        return pitch || still ? fmt::format("{:+.2f}", v) : fmt::format("{:+.1f}", v);
    };
    return still ? fmt::format("{} V", volts(0.5 * (low + high))) : fmt::format("{}…{} V", volts(low), volts(high));
}

Sentence detailReading(const Reading& reading) {
    const Scale hertz = logScale(Unit::Hertz, 0.01, 20000);
    const Scale seconds = logScale(Unit::Seconds, 0.0001, 100);
    switch (reading.kind) {
    case SignalKind::Audio: {
        if (reading.max.value <= reading.min.value) return {};
        PitchSummary heard = reading.over.value_or(PitchSummary{});
        if (!reading.over && reading.pitch && reading.clarity > kSteadyClarity) heard.steady = reading.pitch;
        if (heard.steady) return say("{} · {}", hertz.text(heard.steady->value), pitchText(*heard.steady));
        if (!heard.range) return say("no steady pitch");
        const auto note = [](Hertz h) { return noteName(nearestNote(h).note); };
        const std::string low = note(heard.range->first);
        const std::string high = note(heard.range->second);
        return low == high ? say("moving, near {}", low) : say("moving, {}…{}", low, high);
    }
    case SignalKind::Pitch: {
        const auto note = [](Volts v) { return pitchText(toHertz(v)); };
        return reading.max.value - reading.min.value < 0.001 ? say("{}", note(reading.min))
                                                             : say("{}…{}", note(reading.min), note(reading.max));
    }
    case SignalKind::Gate:
        return reading.highTime ? say("{} open", seconds.text(reading.highTime->value)) : say("stays low");
    case SignalKind::Clock:
        return reading.pitch ? say("{}", hertz.text(reading.pitch->value)) : Sentence{};
    case SignalKind::Control:
        break;
    }
    return reading.max.value - reading.min.value < 0.005 ? say("steady") : Sentence{};
}

std::string detailText(const Reading& reading) {
    return detailReading(reading).str();
}

std::vector<Sentence> wholeReading(const Reading& reading) {
    std::vector<Sentence> all = {say("{}", rangeText(reading))};
    if (Sentence detail = detailReading(reading); !detail.empty()) all.push_back(std::move(detail));
    const Scale seconds = logScale(Unit::Seconds, 0.00001, 100);
    const auto pitch = reading.kind == SignalKind::Audio && reading.over ? reading.over->steady : reading.pitch;
    if (pitch && pitch->value > 0.0) all.push_back(say("period {}", seconds.text(1.0 / pitch->value)));
    if (reading.kind == SignalKind::Audio) all.push_back(say("DC {:+.2f} V", reading.dc.value));
    if (reading.clips) all.push_back(say("over the rails"));
    return all;
}

} // namespace lariat
