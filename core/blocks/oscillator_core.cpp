#include "blocks/oscillator_core.h"

#include "blocks/maths.h"

#include <algorithm>
#include <limits>

namespace lariat {
namespace {

constexpr double kNever = std::numeric_limits<double>::infinity();
constexpr float kPeak = 5.0f;
constexpr double kSoftFrom = 0.75; ///< part of a cycle after which a soft pulse restarts it
constexpr double kTwoPi = 6.28318530717958647692;

} // namespace

void OscillatorCore::corner(double at, double turn) {
    if (wanted(Triangle)) corners(Triangle).bend(static_cast<float>(at), static_cast<float>(-40.0 * std::abs(turn)));
    upper_ = turn > 0.0;
    phase_ = 0.5;
}

void OscillatorCore::wrap(double at, double turn) {
    const auto time = static_cast<float>(at);
    const bool forward = turn > 0.0;
    if (wanted(Triangle)) corners(Triangle).bend(time, static_cast<float>(40.0 * std::abs(turn)));
    if (wanted(Saw)) corners(Saw).jump(time, forward ? -2.0f * kPeak : 2.0f * kPeak);
    phase_ = forward ? 0.0 : 1.0;
    upper_ = !forward;
    countTurn(at, forward);
    if (high_ != (phase_ < width_)) flipPulse(at);
}

void OscillatorCore::countTurn(double at, bool forward) {
    const float sub2 = squareOf(1);
    const float sub4 = squareOf(2);
    turns_ += forward ? 1u : ~0u;
    const auto toggle = [&](Wave wave, float before, float after, Signal* out) {
        if (before == after) return;
        if (wanted(wave)) corners(wave).jump(static_cast<float>(at), after - before);
        if (out) out->addEdge(static_cast<float>(position(at)), after > before);
    };
    toggle(Sub2, sub2, squareOf(1), sub2Out_);
    toggle(Sub4, sub4, squareOf(2), sub4Out_);
}

void OscillatorCore::flipPulse(double at) {
    high_ = !high_;
    if (wanted(Pulse)) corners(Pulse).jump(static_cast<float>(at), high_ ? 2.0f * kPeak : -2.0f * kPeak);
    if (pulseOut_) pulseOut_->addEdge(static_cast<float>(position(at)), high_);
}

void OscillatorCore::reset(double at, double turn) {
    const auto time = static_cast<float>(at);
    const double p = phase_;
    if (wanted(Saw)) corners(Saw).jump(time, static_cast<float>(-10.0 * p));
    if (wanted(Triangle)) {
        corners(Triangle).jump(time, static_cast<float>(-20.0 * (p < 0.5 ? p : 1.0 - p)));
        if (upper_) corners(Triangle).bend(time, static_cast<float>(40.0 * turn));
    }
    if (wanted(Sine)) {
        corners(Sine).jump(time, -kPeak * fastSinTurn(static_cast<float>(p)));
        const float cosine = fastSinTurn(static_cast<float>(p < 0.75 ? p + 0.25 : p - 0.75));
        corners(Sine).bend(time, kPeak * static_cast<float>(kTwoPi * turn) * (1.0f - cosine));
    }
    if (upper_) countTurn(at, true); // a reset ends a cycle for the sub-octaves too
    phase_ = 0.0;
    upper_ = false;
    if (high_ != (width_ > 0.0)) flipPulse(at);
}

/// Moves through part of one sample's interval; `from` and `to` are times in samples.
void OscillatorCore::travel(double from, double to, double turn, double widthStep) {
    double at = from;
    for (int guard = 0; guard < 16; ++guard) {
        double corners = kNever;
        double wraps = kNever;
        if (turn > 0.0) {
            if (upper_)
                wraps = (1.0 - phase_) / turn;
            else
                corners = (0.5 - phase_) / turn;
        } else if (turn < 0.0) {
            if (upper_)
                corners = (phase_ - 0.5) / -turn;
            else
                wraps = phase_ / -turn;
        }
        double flips = kNever;
        const double closing = turn - widthStep; // speed of p relative to the width
        if (high_ ? closing > 0.0 : closing < 0.0) flips = std::max(0.0, (width_ - phase_) / closing);
        const double next = std::min({corners, wraps, flips});
        const double step = std::min(std::max(0.0, next), to - at);
        at += step;
        phase_ += step * turn;
        width_ += step * widthStep;
        if (next > step) return;
        if (next == wraps)
            wrap(at, turn);
        else if (next == corners)
            corner(at, turn);
        else
            flipPulse(at);
    }
    phase_ += std::max(0.0, to - at) * turn; // more corners than any waveform has: keep the pitch, skip the rest
    phase_ -= std::floor(phase_);
    upper_ = phase_ >= 0.5;
}

/// The phase of a run in which it passes no corner; false, and nothing changed, if it does.
bool OscillatorCore::runCalm(int n, const float* turns, const float* width, float* phases) {
    std::array<double, kRun> reached;
    const auto target = static_cast<float>(width_);
    double phase = phase_;
    float least = 0.0f;
    int moved = 0;
    for (int i = 0; i < n; ++i) {
        least = std::min(least, turns[i]);
        moved |= width[i] != target ? 1 : 0;
    }
    if (least < 0.0f || moved != 0) return false;
    for (int i = 0; i < n; ++i) {
        phase += static_cast<double>(turns[i]);
        reached[static_cast<std::size_t>(i)] = phase;
    }
    if (!(phase < (upper_ ? 1.0 : 0.5)) || (high_ ? !(phase < width_) : phase_ < width_)) return false;
    for (int i = 0; i < n; ++i) phases[i] = static_cast<float>(reached[static_cast<std::size_t>(i)]);
    phase_ = phase;
    return true;
}

/// Sample by sample, through every corner.
void OscillatorCore::runWalking(int begin, int n, const float* turns, const float* width,
                                std::span<const SyncPulse> sync, Line& phases, Line& pulses, Line& subs2, Line& subs4) {
    std::size_t nextSync = 0;
    for (int i = 0; i < n; ++i) {
        const double turn = static_cast<double>(turns[begin + i]);
        const double target = static_cast<double>(width[begin + i]);
        const double widthStep = target - width_;
        const bool synced = nextSync < sync.size() && static_cast<double>(sync[nextSync].at) - begin <= i;
        const double reached = phase_ + turn;
        const bool calm = !synced && turn >= 0.0 && (upper_ ? reached < 1.0 : reached < 0.5) &&
                          (high_ ? reached < target : reached >= target);
        if (calm) {
            phase_ = reached;
        } else {
            double at = i - 1.0;
            while (nextSync < sync.size() && static_cast<double>(sync[nextSync].at) - begin <= i) {
                const SyncPulse& pulse = sync[nextSync++];
                const double when = std::clamp(static_cast<double>(pulse.at) - begin, at, static_cast<double>(i));
                travel(at, when, turn, widthStep);
                if (!pulse.soft || phase_ >= kSoftFrom) reset(when, turn);
                at = when;
            }
            travel(at, i, turn, widthStep);
        }
        width_ = target;
        const auto slot = static_cast<std::size_t>(i);
        phases[slot] = static_cast<float>(phase_);
        pulses[slot] = high_ ? kPeak : -kPeak;
        subs2[slot] = squareOf(1);
        subs4[slot] = squareOf(2);
    }
}

void OscillatorCore::run(int begin, int end, const float* turns, const float* width, std::span<const SyncPulse> sync,
                         std::span<Signal* const> outputs) {
    if (end == begin + 1)
        runAs<1>(begin, 1, turns, width, sync, outputs);
    else
        runAs<0>(begin, end - begin, turns, width, sync, outputs);
}

/// Within a loop the engine goes sample by sample; a copy of the code for that (Fixed = 1) has no loops left in it.
template <int Fixed>
void OscillatorCore::runAs(int begin, int samples, const float* turns, const float* width,
                           std::span<const SyncPulse> sync, std::span<Signal* const> outputs) {
    const int n = Fixed > 0 ? Fixed : samples;
    const auto listening = [&](Wave wave) { return outputs[wave] != nullptr; };
    needed_ = 0;
    for (unsigned wave = 0; wave < kOwnWaves; ++wave)
        if (listening(static_cast<Wave>(wave))) needed_ |= 1u << wave;
    if (listening(TrianglePulse)) needed_ |= (1u << Triangle) | (1u << Pulse);
    if (listening(SawPulse)) needed_ |= (1u << Saw) | (1u << Pulse);
    pulseOut_ = outputs[Pulse];
    sub2Out_ = outputs[Sub2];
    sub4Out_ = outputs[Sub4];
    for (Signal* out : {pulseOut_, sub2Out_, sub4Out_})
        if (out) out->listsEdges = true;
    begin_ = begin;

    std::array<float, kRun> phases;
    std::array<float, kRun> pulses;
    std::array<float, kRun> subs2;
    std::array<float, kRun> subs4;
    if (sync.empty() && runCalm(n, turns + begin, width + begin, phases.data())) {
        std::fill_n(pulses.begin(), n, high_ ? kPeak : -kPeak);
        std::fill_n(subs2.begin(), n, squareOf(1));
        std::fill_n(subs4.begin(), n, squareOf(2));
    } else {
        runWalking(begin, n, turns, width, sync, phases, pulses, subs2, subs4);
    }

    const auto shape = [&](Wave wave, auto&& formula) {
        if (!wanted(wave)) return;
        float* line = corners(wave).line();
        for (int i = 0; i < n; ++i) line[i] += formula(static_cast<std::size_t>(i));
    };
    shape(Sine, [&](std::size_t i) { return kPeak * fastSinTurn(phases[i]); });
    shape(Triangle, [&](std::size_t i) { return kPeak * (1.0f - 4.0f * std::abs(phases[i] - 0.5f)); });
    shape(Saw, [&](std::size_t i) { return kPeak * (2.0f * phases[i] - 1.0f); });
    shape(Pulse, [&](std::size_t i) { return pulses[i]; });
    shape(Sub2, [&](std::size_t i) { return subs2[i]; });
    shape(Sub4, [&](std::size_t i) { return subs4[i]; });

    std::array<std::array<float, kRun>, kOwnWaves> made;
    for (unsigned wave = 0; wave < kOwnWaves; ++wave)
        if (needed_ & (1u << wave)) corners_[wave].flush(made[wave].data(), n);
    for (unsigned wave = 0; wave < kOwnWaves; ++wave)
        if (Signal* out = outputs[wave]) {
            for (int i = 0; i < n; ++i) (*out)[begin + i] = made[wave][static_cast<std::size_t>(i)];
        }
    const auto blend = [&](Wave wave, Wave one) {
        Signal* out = outputs[wave];
        if (!out) return;
        for (int i = 0; i < n; ++i) {
            const auto k = static_cast<std::size_t>(i);
            (*out)[begin + i] = 0.5f * (made[one][k] + made[Pulse][k]);
        }
    };
    blend(TrianglePulse, Triangle);
    blend(SawPulse, Saw);
    pulseOut_ = sub2Out_ = sub4Out_ = nullptr;
}

} // namespace lariat
