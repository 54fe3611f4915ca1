#include "blocks/parts/oscillator_core.h"

#include "blocks/parts/kernels.h"
#include "blocks/parts/maths.h"

#include <algorithm>
#include <limits>

namespace lariat {
namespace {

using Core = OscillatorCore;

constexpr double kNowhere = std::numeric_limits<double>::infinity();
constexpr float kPeak = 5.0f;
constexpr double kSoftFrom = 0.75; ///< part of a cycle after which a soft pulse restarts it

constexpr unsigned bit(Core::Wave wave) {
    return 1u << wave;
}

void addEdge(const Core::Outputs& outputs, Core::Wave wave, double at, bool rising) {
    if (Signal* out = outputs[wave]; out && out->list) out->list->add(static_cast<float>(at), rising);
}

} // namespace

/// Where corners go when a piece of a run is worked on: one line a wave.
class OscillatorCore::Lines {
  public:
    Lines(OscillatorCore& core, int begin, int n, const Outputs& outputs, unsigned needed)
        : needed(needed), core_(core), begin_(begin), n_(n), outputs_(outputs) {
        for (std::size_t wave = 0; wave < kOwnWaves; ++wave)
            if (needed >> wave & 1u) core.corners_[wave].open(sums_[wave].data(), n);
    }
    ~Lines() {
        for (std::size_t wave = 0; wave < kOwnWaves; ++wave)
            if (needed >> wave & 1u) core_.corners_[wave].close(sums_[wave].data(), n_);
    }
    Lines(const Lines&) = delete;
    Lines& operator=(const Lines&) = delete;

    void jump(Wave wave, double at, float volts) { spread(blepTable().jump, wave, at, volts); }
    void bend(Wave wave, double at, float slope) { spread(blepTable().bend, wave, at, slope); }
    void edge(Wave wave, double at, bool rising) { addEdge(outputs_, wave, at + begin_, rising); }
    [[nodiscard]] bool wants(Wave wave) const { return (needed & bit(wave)) != 0; }
    /// The uncorrected wave is added here, from sample i of the piece on.
    float* line(Wave wave, int i) { return sums_[wave].data() + BlepTable::kHalf + i; }
    [[nodiscard]] const float* made(Wave wave) const { return sums_[wave].data(); }

    const unsigned needed;

  private:
    void spread(const std::array<std::array<float, BlepTable::kTaps>, BlepTable::kRows + 1>& rows, Wave wave, double at,
                float size) {
        const double first = std::max(0.0, std::ceil(at));
        spreadCorner(rows, static_cast<float>(first - at), size, sums_[wave].data() + static_cast<int>(first));
    }

    OscillatorCore& core_;
    int begin_;
    int n_;
    const Outputs& outputs_;
    std::array<std::array<float, kRun + BlepTable::kTaps>, kOwnWaves> sums_; // only those needed are opened
};

/// Where corners go when one sample is worked on: straight into the rings. Times lie in (-1, 0].
class OscillatorCore::Rings {
  public:
    Rings(OscillatorCore& core, int i, const Outputs& outputs, unsigned needed)
        : needed(needed), core_(core), i_(i), outputs_(outputs) {}
    void jump(Wave wave, double at, float volts) { core_.corners_[wave].jump(static_cast<float>(-at), volts); }
    void bend(Wave wave, double at, float slope) { core_.corners_[wave].bend(static_cast<float>(-at), slope); }
    void edge(Wave wave, double at, bool rising) { addEdge(outputs_, wave, at + i_, rising); }
    [[nodiscard]] bool wants(Wave wave) const { return (needed & bit(wave)) != 0; }

    const unsigned needed;

  private:
    OscillatorCore& core_;
    int i_;
    const Outputs& outputs_;
};

void OscillatorCore::listEdges(const Outputs& outputs) {
    for (const Wave wave : {Pulse, Sub2, Sub4})
        if (Signal* out = outputs[wave]; out && out->list) out->list->listed = true;
}

unsigned OscillatorCore::needed(const Outputs& outputs) {
    unsigned waves = 0;
    for (std::size_t wave = 0; wave < kOwnWaves; ++wave)
        if (outputs[wave]) waves |= 1u << wave;
    if (outputs[TrianglePulse]) waves |= bit(Triangle) | bit(Pulse);
    if (outputs[SawPulse]) waves |= bit(Saw) | bit(Pulse);
    return waves;
}

template <class Sink> void OscillatorCore::corner(Sink& sink, double at, double turn) {
    sink.bend(Triangle, at, static_cast<float>(-40.0 * std::abs(turn)));
    upper_ = turn > 0.0;
    phase_ = 0.5;
}

template <class Sink> void OscillatorCore::wrap(Sink& sink, double at, double turn) {
    const bool forward = turn > 0.0;
    if (sink.wants(Triangle)) sink.bend(Triangle, at, static_cast<float>(40.0 * std::abs(turn)));
    if (sink.wants(Saw)) sink.jump(Saw, at, forward ? -2.0f * kPeak : 2.0f * kPeak);
    phase_ = forward ? 0.0 : 1.0;
    upper_ = !forward;
    countTurn(sink, at, forward);
    if (high_ != (phase_ < width_)) flipPulse(sink, at);
}

template <class Sink> void OscillatorCore::countTurn(Sink& sink, double at, bool forward) {
    const float sub2 = squareOf(1);
    const float sub4 = squareOf(2);
    turns_ += forward ? 1u : ~0u;
    const auto toggle = [&](Wave wave, float before, float after) {
        if (before == after || !sink.wants(wave)) return;
        sink.jump(wave, at, after - before);
        sink.edge(wave, at, after > before);
    };
    toggle(Sub2, sub2, squareOf(1));
    toggle(Sub4, sub4, squareOf(2));
}

template <class Sink> void OscillatorCore::flipPulse(Sink& sink, double at) {
    high_ = !high_;
    if (!sink.wants(Pulse)) return;
    sink.jump(Pulse, at, high_ ? 2.0f * kPeak : -2.0f * kPeak);
    sink.edge(Pulse, at, high_);
}

template <class Sink> void OscillatorCore::reset(Sink& sink, double at, double turn) {
    const double p = phase_;
    if (sink.wants(Saw)) sink.jump(Saw, at, static_cast<float>(-10.0 * p));
    if (sink.wants(Triangle)) {
        sink.jump(Triangle, at, static_cast<float>(-20.0 * (p < 0.5 ? p : 1.0 - p)));
        if (upper_) sink.bend(Triangle, at, static_cast<float>(40.0 * turn));
    }
    if (sink.wants(Sine)) {
        sink.jump(Sine, at, -kPeak * fastSinTurn(static_cast<float>(p)));
        const float cosine = fastSinTurn(static_cast<float>(p < 0.75 ? p + 0.25 : p - 0.75));
        sink.bend(Sine, at, kPeak * static_cast<float>(kTwoPi * turn) * (1.0f - cosine));
    }
    if (p >= 0.5) countTurn(sink, at, true); // a reset ends a cycle for the sub-octaves too
    phase_ = 0.0;
    upper_ = false;
    if (high_ != (width_ > 0.0)) flipPulse(sink, at);
}

/// Moves through part of one sample's interval; `from` and `to` are times in samples.
template <class Sink> void OscillatorCore::travel(Sink& sink, double from, double to, double turn, double widthStep) {
    double at = from;
    for (int guard = 0; guard < 16; ++guard) {
        double corners = kNowhere;
        double wraps = kNowhere;
        if (turn > 0.0) {
            wraps = (1.0 - phase_) / turn;
            if (!upper_ && sink.wants(Triangle)) corners = (0.5 - phase_) / turn;
        } else if (turn < 0.0) {
            wraps = phase_ / -turn;
            if (upper_ && sink.wants(Triangle)) corners = (phase_ - 0.5) / -turn;
        }
        double flips = kNowhere;
        const double closing = turn - widthStep; // speed of p relative to the width
        if (sink.wants(Pulse) && (high_ ? closing > 0.0 : closing < 0.0))
            flips = std::max(0.0, (width_ - phase_) / closing);
        const double next = std::min({corners, wraps, flips});
        const double step = std::min(std::max(0.0, next), to - at);
        at += step;
        phase_ += step * turn;
        width_ += step * widthStep;
        if (next > step) return;
        if (next == wraps)
            wrap(sink, at, turn);
        else if (next == corners)
            corner(sink, at, turn);
        else
            flipPulse(sink, at);
    }
    phase_ += std::max(0.0, to - at) * turn; // more corners than any waveform has: keep the pitch, skip the rest
    phase_ -= std::floor(phase_);
    upper_ = phase_ >= 0.5;
}

/// One sample in which something may happen; sync pulses at times up to i.
template <class Sink>
void OscillatorCore::sample(Sink& sink, int i, double turn, double width, std::span<const SyncPulse> sync) {
    const double widthStep = width - width_;
    double at = i - 1.0;
    for (const SyncPulse& pulse : sync) {
        const double when = std::clamp(static_cast<double>(pulse.at), at, static_cast<double>(i));
        travel(sink, at, when, turn, widthStep);
        if (!pulse.soft || phase_ >= kSoftFrom) reset(sink, when, turn);
        at = when;
    }
    travel(sink, at, i, turn, widthStep);
    width_ = width;
}

int OscillatorCore::glide(int i, int stop, const Way& way, int begin, unsigned needed, float* phases) {
    const bool pulse = (needed & bit(Pulse)) != 0;
    const bool phased = (needed & (bit(Sine) | bit(Triangle) | bit(Saw))) != 0; // the others are levels
    if (pulse && !way.evenWidth) return 0;
    if (pulse && static_cast<double>(way.width[begin + i]) != width_) return 0; // it has moved since the last sample
    double limit = 1.0;
    if ((needed & bit(Triangle)) && !upper_) limit = 0.5;
    if (pulse && high_) limit = std::min(limit, width_);
    if (pulse && !high_ && phase_ < width_) return 0;
    const float* turns = way.turns + begin;
    if (way.evenTurns) {
        const auto turn = static_cast<double>(turns[i]);
        if (turn < 0.0) return 0;
        const double there = (limit - phase_) / std::max(turn, 1e-30);
        int count = std::min(stop - i, there < kRun + 1.0 ? static_cast<int>(there) : kRun);
        while (count > 0 && !(phase_ + count * turn < limit)) --count;
        const double phase = phase_;
        if (phased)
            for (int k = 0; k < count; ++k) phases[i + k] = static_cast<float>(phase + (k + 1) * turn);
        phase_ += count * turn;
        return count;
    }
    double phase = phase_;
    int k = i;
    for (; k < stop; ++k) {
        const double next = phase + static_cast<double>(turns[k]);
        if (!(next < limit) || next < phase) break;
        phase = next;
        phases[k] = static_cast<float>(phase);
    }
    phase_ = phase;
    return k - i;
}

void OscillatorCore::run(int begin, int end, const Way& way, std::span<const SyncPulse> sync, const Outputs& outputs,
                         unsigned needed) {
    const int n = end - begin;
    listEdges(outputs);
    Lines lines(*this, begin, n, outputs, needed);
    Line phases; // of the piece
    // The levels that only change at corners are added stretch by stretch.
    const auto addLevels = [&](int from, int count) {
        const auto add = [&](Wave wave, float level) {
            if (!lines.wants(wave)) return;
            float* line = lines.line(wave, from);
            for (int k = 0; k < count; ++k) line[k] += level;
        };
        add(Pulse, high_ ? kPeak : -kPeak);
        add(Sub2, squareOf(1));
        add(Sub4, squareOf(2));
    };
    std::array<SyncPulse, kRun> due;
    std::size_t nextSync = 0;
    int i = 0;
    while (i < n) {
        int stop = n;
        if (nextSync < sync.size()) stop = std::clamp(static_cast<int>(std::ceil(sync[nextSync].at)) - begin, i, n);
        if (const int count = glide(i, stop, way, begin, needed, phases.data()); count > 0) {
            addLevels(i, count);
            i += count;
            if (i == n) break;
        }
        std::size_t pulses = 0;
        for (; nextSync < sync.size() && sync[nextSync].at <= static_cast<float>(begin + i); ++nextSync)
            due[pulses++] = {sync[nextSync].at - static_cast<float>(begin), sync[nextSync].soft};
        sample(lines, i, static_cast<double>(way.turns[begin + i]), static_cast<double>(way.width[begin + i]),
               {due.data(), pulses});
        phases[i] = static_cast<float>(phase_);
        addLevels(i, 1);
        ++i;
    }
    if (!lines.wants(Triangle)) upper_ = phase_ >= 0.5;
    if (!lines.wants(Pulse)) {
        width_ = static_cast<double>(way.width[end - 1]);
        high_ = phase_ < width_;
    }

    const auto shape = [&](Wave wave, auto&& formula) {
        if (!lines.wants(wave)) return;
        float* line = lines.line(wave, 0);
        for (int k = 0; k < n; ++k) line[k] += formula(phases[k]);
    };
    if (lines.wants(Sine)) kernels().addSine(kPeak, phases.data(), lines.line(Sine, 0), n);
    shape(Triangle, [](float p) { return kPeak * (1.0f - 4.0f * std::abs(p - 0.5f)); });
    shape(Saw, [](float p) { return kPeak * (2.0f * p - 1.0f); });

    for (std::size_t wave = 0; wave < kOwnWaves; ++wave)
        if (Signal* out = outputs[wave])
            std::copy_n(lines.made(static_cast<Wave>(wave)), n, out->volts.begin() + begin);
    const auto blend = [&](Wave wave, Wave one) {
        Signal* out = outputs[wave];
        if (!out) return;
        const float* a = lines.made(one);
        const float* b = lines.made(Pulse);
        for (int k = 0; k < n; ++k) (*out)[begin + k] = 0.5f * (a[k] + b[k]);
    };
    blend(TrianglePulse, Triangle);
    blend(SawPulse, Saw);
}

void OscillatorCore::turnCorner(int i, float turn, float width, const Outputs& outputs, unsigned needed) {
    Rings rings(*this, i, outputs, needed);
    sample(rings, 0, static_cast<double>(turn), static_cast<double>(width), {});
}

} // namespace lariat
