// Tuner probe: the pitch of a steady sound as a voltage.
//
// Periods are taken between rising crossings of 0 V at their sub-sample times, each armed by a dip below a tenth of the
// recent peak, and averaged over at least 20 ms. pitch = log2(f / C4) V; `level` is the peak of the last 50 ms; `heard`
// is high while there is a pitch between 16 Hz and 8 kHz. `thru` passes the sound on.
#include "blocks/parts/maths.h"
#include "blocks/parts/pulses.h"
#include "blocks/types.h"

#include <cmath>

namespace lariat {
namespace {

enum Out { Thru, PitchOut, Level, Heard };

class TunerProbe final : public StatefulBlock<TunerProbe> {
  public:
    void process(const Frame& frame) {
        State& s = state_;
        s.heard.start(frame, Heard);
        if (Signal* out = frame.out(Thru)) passOn(frame.in(0), *out, frame);
        const auto fall = static_cast<float>(std::exp(-1.0 / (0.05 * frame.rate())));
        for (int i = frame.begin; i < frame.end; ++i) {
            const float now = frame.in(0)[i];
            s.peak = std::max(std::abs(now), s.peak * fall);
            if (!std::isfinite(s.peak)) s.peak = 0.0f;
            s.time += 1.0;
            if (now < -0.1f * s.peak) s.armed = true;
            if (s.armed && now >= 0.0f && s.before < 0.0f && s.peak > 0.01f) {
                s.armed = false;
                crossing(s.time - static_cast<double>(now / (now - s.before)), i, frame);
            }
            if (s.time - s.first > 0.25 * frame.rate()) {
                s.heard.drop(i);
                s.turns = -1;
                s.first = s.time;
            }
            s.before = now;
            if (Signal* out = frame.out(PitchOut)) (*out)[i] = s.pitch;
            if (Signal* out = frame.out(Level)) (*out)[i] = s.peak;
        }
        s.heard.finish(frame);
    }

  private:
    friend class StatefulBlock<TunerProbe>;

    void crossing(double at, int i, const Frame& frame) {
        State& s = state_;
        if (s.turns < 0) {
            s.first = at;
            s.turns = 0;
            return;
        }
        ++s.turns;
        if (at - s.first < 0.02 * frame.rate()) return;
        const double hertz = frame.rate() * s.turns / (at - s.first);
        if (hertz > 16.0 && hertz < 8000.0) {
            s.pitch = static_cast<float>(std::log2(hertz / kMiddleC));
            s.heard.raise(i, kGateVolts);
        }
        s.first = at;
        s.turns = 0;
    }

    struct State {
        PulseWriter heard;
        double time = 0.0;
        double first = 0.0;
        int turns = -1;
        bool armed = false;
        float before = 0.0f;
        float peak = 0.0f;
        float pitch = 0.0f;
    } state_;
};

} // namespace

BlockType tunerProbeType() {
    using enum SignalKind;
    return {.id = "tuner-probe",
            .name = "Tuner probe",
            .about = "The pitch of a sound as a voltage",
            .inputs = {{"in", "in", Audio}},
            .outputs = {{.id = "thru", .name = "thru", .kind = Audio, .edges = true},
                        {"pitch", "pitch", Pitch, -5, 5},
                        {"level", "level", SignalKind::Control, 0, 8},
                        {"heard", "heard", Gate, 0, 8}},
            .flows = {{{"in"}, Does::Passes, {"thru"}},
                      {{"in"}, Does::Tunes, {"pitch", "level"}},
                      {{"in"}, Does::Strikes, {"heard"}}},
            .make = makeBlock<TunerProbe>,
            .runsUnheard = true};
}

} // namespace lariat
