#include "bench/live_traces.h"

#include "ask/parts.h"
#include "measure/wave.h"

#include <algorithm>

namespace lariat {
namespace {

constexpr double kNear = 3.0; ///< windows
constexpr double kNearSeconds = 0.05;

} // namespace

LiveTraces::~LiveTraces() {
    for (const auto& [jack, tap] : taps_) session_.sound.engine().unwatch(jack);
}

void LiveTraces::follow(const std::vector<JackRef>& jacks) {
    for (auto it = taps_.begin(); it != taps_.end();) {
        if (std::ranges::find(jacks, it->first) == jacks.end()) {
            session_.sound.engine().unwatch(it->first);
            it = taps_.erase(it);
        } else {
            ++it;
        }
    }
    for (const JackRef& jack : jacks)
        if (!jack.post.empty())
            taps_[jack] = session_.sound.engine().watch(jack, TapLength::longest(session_.sound.engine().rate()),
                                                        session_.document.library());
}

std::vector<Trace> LiveTraces::traces(const std::vector<JackRef>& jacks, double seconds) const {
    std::vector<Trace> out;
    const Patch& patch = session_.document.patch();
    const Library& library = session_.document.library();
    const double rate = session_.sound.engine().rate();
    const auto most = static_cast<std::size_t>(seconds * rate);
    std::size_t shortest = most;
    for (const JackRef& jack : jacks) {
        const auto tap = taps_.find(jack);
        if (tap == taps_.end()) continue;
        Trace trace;
        trace.name = trackName(patch, library, jack);
        trace.jack = jack;
        trace.rate = rate;
        if (const JackInfo* info = library.jack(patch, jack)) trace.kind = info->kind;
        if (tap->second)
            trace.volts = tap->second->samples(most);
        else
            trace.volts.assign(most, 0.0f); // nothing feeds it
        if (trace.volts.size() < 64) return {};
        shortest = std::min(shortest, trace.volts.size());
        out.push_back(std::move(trace));
    }
    for (Trace& trace : out)
        trace.volts.erase(trace.volts.begin(), trace.volts.end() - static_cast<std::ptrdiff_t>(shortest));
    return out;
}

std::vector<PlotCurve> LiveTraces::rolling(const std::vector<JackRef>& jacks, double window) const {
    std::vector<PlotCurve> out;
    const double rate = session_.sound.engine().rate();
    for (const JackRef& jack : jacks) {
        const auto tap = taps_.find(jack);
        if (tap == taps_.end() || !tap->second) continue;
        const auto spans = tap->second->spans(static_cast<std::size_t>(window * rate / Tap::kPerSpan));
        PlotCurve curve{plain(trackName(session_.document.patch(), session_.document.library(), jack)),
                        static_cast<int>(out.size()),
                        SignalKind::Control,
                        std::vector<MinMax>(kPlotColumns),
                        {},
                        false};
        for (std::size_t c = 0; c < kPlotColumns && !spans.empty(); ++c) {
            const std::size_t begin = c * spans.size() / kPlotColumns;
            MinMax range = spans[begin];
            for (std::size_t s = begin; s < std::max(begin + 1, (c + 1) * spans.size() / kPlotColumns); ++s)
                range = {std::min(range.min, spans[s].min), std::max(range.max, spans[s].max)};
            curve.columns[c] = range;
        }
        out.push_back(std::move(curve));
    }
    return out;
}

std::vector<PlotCurve> LiveTraces::curves(const std::vector<JackRef>& jacks, double window,
                                          const Trigger& trigger) const {
    if (window > kSeconds) return rolling(jacks, window);
    // Mostly an edge is not far back: all that is kept is only looked through where none is.
    for (const double seconds : {std::min(kSeconds, kNear * window + kNearSeconds), kSeconds})
        if (auto curves = curvesWithin(jacks, window, trigger, seconds); curves || seconds == kSeconds)
            return curves.value_or(std::vector<PlotCurve>{});
    return {};
}

/// Nothing if there is no edge within so many seconds that has a whole picture behind it.
std::optional<std::vector<PlotCurve>> LiveTraces::curvesWithin(const std::vector<JackRef>& jacks, double window,
                                                               const Trigger& trigger, double seconds) const {
    const std::vector<Trace> all = traces(jacks, seconds);
    if (all.empty()) return std::nullopt;
    std::size_t by = 0;
    if (trigger.by == Trigger::By::Edge)
        by = std::min<std::size_t>(static_cast<std::size_t>(trigger.track), all.size() - 1);
    if (trigger.by == Trigger::By::Auto)
        for (std::size_t n = 0; n < all.size(); ++n)
            if (all[n].kind == SignalKind::Gate || all[n].kind == SignalKind::Clock) by = n;
    const Trace& first = all[by];
    const auto size = static_cast<std::size_t>(window * first.rate);
    std::size_t begin = first.volts.size() > size ? first.volts.size() - size : 0;
    bool found = trigger.by == Trigger::By::Free;
    if (!found) {
        const LevelReading level = measureLevel(first.volts);
        const double middle = 0.5 * (level.min.value + level.max.value);
        for (const double edge : passages(first.volts, middle, trigger.rising, 0.05 * level.swing().value))
            if (edge + static_cast<double>(size) < static_cast<double>(first.volts.size())) {
                begin = static_cast<std::size_t>(edge);
                found = true;
            }
    }
    if (!found && seconds < kSeconds) return std::nullopt;
    std::vector<PlotCurve> out;
    for (const Trace& trace : all) {
        const std::span<const float> volts(trace.volts);
        out.push_back({plain(trace.name),
                       static_cast<int>(out.size()),
                       trace.kind,
                       columnsOf(volts.subspan(begin, std::min(size, volts.size() - begin)), kPlotColumns),
                       {},
                       false});
    }
    return out;
}

} // namespace lariat
