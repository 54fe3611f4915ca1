#include "flow/life.h"

#include "units/level.h"

#include <algorithm>
#include <cmath>

namespace lariat {
namespace {

constexpr double kWindowSeconds = 0.02;
constexpr float kHigh = 1.5f;
constexpr float kLow = 1.0f;

} // namespace

LifeMeter::LifeMeter(double rate)
    : rate_(rate), runsPerWindow_(std::max(1, static_cast<int>(std::lround(kWindowSeconds * rate / kRun)))) {}

void LifeMeter::add(const Signal& signal) {
    float low = signal[0];
    float high = signal[0];
    float sum = 0.0f;
    float squares = 0.0f;
    for (int i = 0; i < kRun; ++i) {
        const float v = signal[i];
        low = std::min(low, v);
        high = std::max(high, v);
        sum += v;
        squares += v * v;
    }
    if (samples_ == 0) life_.min = life_.max = signal[0];
    windowLow_ = windowRuns_ == 0 ? low : std::min(windowLow_, low);
    windowHigh_ = windowRuns_ == 0 ? high : std::max(windowHigh_, high);
    life_.min = std::min(life_.min, low);
    life_.max = std::max(life_.max, high);
    if (isHigh_ ? low < kLow : high > kHigh) {
        for (int i = 0; i < kRun; ++i) {
            const bool now = isHigh_ ? signal[i] >= kLow : signal[i] > kHigh;
            if (now && !isHigh_) {
                if (life_.rises > 0) longestLow_ = std::max(longestLow_, lowFor_);
                ++life_.rises;
            }
            lowFor_ = now ? 0 : lowFor_ + 1;
            if (now) ++allHigh_;
            isHigh_ = now;
        }
    } else if (isHigh_) {
        allHigh_ += kRun;
    } else {
        lowFor_ += kRun;
    }
    if (life_.since < 0.0 && life_.swing() >= kAlive) life_.since = static_cast<double>(samples_) / rate_;
    samples_ += kRun;
    windowSum_ += static_cast<double>(sum);
    windowSquares_ += static_cast<double>(squares);
    if (++windowRuns_ == runsPerWindow_) endWindow();
}

void LifeMeter::endWindow() {
    const double n = static_cast<double>(windowRuns_) * kRun;
    const double mean = windowSum_ / n;
    sum_ += windowSum_;
    levels_.push_back(std::sqrt(std::max(0.0, windowSquares_ / n - mean * mean)));
    ranges_.emplace_back(windowLow_, windowHigh_);
    windowSum_ = windowSquares_ = 0.0;
    windowRuns_ = 0;
}

Life LifeMeter::life() const {
    Life out = life_;
    if (samples_ == 0) return out;
    const auto n = static_cast<double>(samples_);
    out.mean = (sum_ + windowSum_) / n;
    out.high = static_cast<double>(allHigh_) / n;
    out.longestLow = static_cast<double>(longestLow_) / rate_;
    out.floor = out.max;
    bool up = false;
    for (const auto& [low, high] : ranges_) {
        if (up) out.floor = std::min(out.floor, low);
        up = up || high >= 0.5f * out.max;
    }
    const auto loudest = std::ranges::max_element(levels_);
    if (loudest == levels_.end() || *loudest < kAlive) return out;
    // Beats have nulls of a moment; a pause between notes is longer.
    std::vector<double> behind(std::ranges::find_if(levels_, [&](double level) { return level > 0.1 * *loudest; }),
                               levels_.end());
    const auto softer = behind.begin() + std::ssize(behind) / 20;
    std::ranges::nth_element(behind, softer);
    const double softest = *softer;
    std::vector<double> all = levels_;
    const auto louder = all.begin() + 9 * std::ssize(all) / 10;
    std::ranges::nth_element(all, louder);
    out.level = *louder;
    out.pause = std::max(kSilenceDecibels, toDecibels(std::max(1e-9, softest / *loudest)).value);
    return out;
}

Lives::Lives(const FlowMap& map, const Schedule& schedule, double rate) {
    lives_.resize(map.graph().nodes.size());
    for (int n = 0; n < map.nodeCount(); ++n) {
        const Node& node = map.node(n);
        lives_[idx(n)].resize(node.heard.size());
        for (std::size_t o = 0; o < node.heard.size(); ++o)
            if (const Signal* signal = schedule.signal(node.key, static_cast<int>(o)))
                meters_.push_back({signal, n, static_cast<int>(o),
                                   node.type->playsPattern && node.setup.material.pattern, LifeMeter(rate)});
    }
}

void Lives::add() {
    for (Meter& meter : meters_) meter.meter.add(*meter.signal);
}

void Lives::finish() {
    for (const Meter& meter : meters_) lives_[idx(meter.node)][idx(meter.output)] = meter.meter.life();
}

bool Lives::stillWaits() const {
    return std::ranges::any_of(meters_, [](const Meter& meter) { return meter.plays && !meter.meter.moved(); });
}

const Life& Lives::of(const Source& source) const {
    static const Life none;
    if (source.node < 0 || idx(source.node) >= lives_.size()) return none;
    const std::vector<Life>& outputs = lives_[idx(source.node)];
    return source.output >= 0 && idx(source.output) < outputs.size() ? outputs[idx(source.output)] : none;
}

} // namespace lariat
