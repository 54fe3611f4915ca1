// Clock divider: eight outputs that count the rising edges of a clock, up to audio rate.
//
// Output n divides by d(n): whole numbers 2…9, primes 2…19, or powers of two 2…256. In gate mode an output is high for
// d/2 input periods and low for as long: an even d toggles at every (d/2)th rising edge; an odd one rises at a
// rising edge and falls half an input period, as long as the last one was, into its middle, so that a square comes out
// whatever the input's shape. In trigger mode it gives 5 ms from each dth edge. All outputs rise together at the first
// edge after a reset. Gates are 0…10 V, band-limited at their sub-sample edges (blep.h).
#include "blocks/parts/blep.h"
#include "blocks/parts/pulses.h"
#include "blocks/types.h"

namespace lariat {
namespace {

enum In { ClockIn, Reset };
enum Control { Series, Mode, Level };
constexpr int kOuts = 8;
constexpr std::array<std::array<int, kOuts>, 3> kSeries = {
    {{2, 3, 4, 5, 6, 7, 8, 9}, {2, 3, 5, 7, 11, 13, 17, 19}, {2, 4, 8, 16, 32, 64, 128, 256}}};

class ClockDivider final : public StatefulBlock<ClockDivider> {
  public:
    void prepare(const Setup&) override { blepTable(); }

    void process(const Frame& frame) {
        State& s = state_;
        const auto& series = kSeries[idx(frame.position(Series))];
        const bool triggers = frame.position(Mode) == 1;
        const float high = frame.control(Level).start;
        for (int o = 0; o < kOuts; ++o)
            if (Signal* out = frame.out(o); out && out->list) out->list->listed = true;
        std::array<Walk, kOuts> walks{Walk(frame), Walk(frame), Walk(frame), Walk(frame),
                                      Walk(frame), Walk(frame), Walk(frame), Walk(frame)};
        const auto set = [&](int o, double at, bool up) {
            Output& output = s.outputs[idx(o)];
            Signal* out = frame.out(o);
            if (output.high == up) return;
            walks[idx(o)].upTo(at, [&](int i) { output.corners.line()[i - frame.begin] += output.level; });
            const float next = up ? high : 0.0f;
            output.corners.jump(static_cast<float>(at - frame.begin), next - output.level);
            output.level = next;
            output.high = up;
            if (out && out->list) out->list->add(static_cast<float>(at), up);
        };
        const auto endTriggers = [&](double to) {
            for (int o = 0; o < kOuts; ++o)
                if (Output& output = s.outputs[idx(o)]; output.ends <= to) {
                    set(o, output.ends, false);
                    output.ends = kNever;
                }
        };
        s.gates.inOrder(frame, {ClockIn, Reset}, [&](int which, const Edge& edge) {
            const auto at = static_cast<double>(edge.at);
            endTriggers(at);
            if (which == 1) {
                if (edge.rising) s.count = -1;
                return;
            }
            if (edge.rising) {
                s.count = (s.count + 1) % kCommon;
                s.period = s.lastRise > -1e12 ? at - s.lastRise : 0.0;
                s.lastRise = at;
            }
            if (s.count < 0) return;
            for (int o = 0; o < kOuts; ++o) divide(o, series[idx(o)], triggers, at, edge.rising, frame, set);
        });
        endTriggers(frame.end - 1.0);
        if (frame.endsRun()) s.lastRise -= kRun;
        for (int o = 0; o < kOuts; ++o) {
            Output& output = s.outputs[idx(o)];
            walks[idx(o)].toEnd([&](int i) { output.corners.line()[i - frame.begin] += output.level; });
            Line volts;
            output.corners.flush(volts.data(), frame.end - frame.begin);
            frame.write(o, [&](int i) { return volts[i - frame.begin]; });
            if (frame.endsRun()) output.ends -= kRun;
        }
    }

  private:
    friend class StatefulBlock<ClockDivider>;

    /// What one output does at an edge of the clock.
    template <class Set>
    void divide(int o, int divisor, bool triggers, double at, bool rising, const Frame& frame, Set&& set) {
        Output& output = state_.outputs[idx(o)];
        const auto place = static_cast<int>(state_.count % divisor);
        if (triggers) {
            if (!rising || place != 0) return;
            set(o, at, true);
            output.ends = at + kTriggerSeconds * frame.rate();
            return;
        }
        const bool middle = divisor % 2 == 1 && place == divisor / 2;
        if (!middle) {
            if (!rising) return;
            set(o, at, place < divisor / 2);
            output.ends = kNever;
        } else if (rising) {
            set(o, at, true);
            output.ends = state_.period > 0.0 ? at + 0.5 * state_.period : kNever;
        } else if (state_.period <= 0.0) { // no period is known yet: the clock's own falling edge has to do
            set(o, at, false);
        }
    }
    static constexpr long kCommon = 256L * 9 * 5 * 7 * 11 * 13 * 17 * 19; ///< comes round for every divisor
    struct Output {
        Corners corners;
        float level = 0.0f;
        bool high = false;
        double ends = kNever;
    };
    struct State {
        GateBank<2> gates;
        std::array<Output, kOuts> outputs;
        long count = -1;
        double lastRise = -1e18;
        double period = 0.0; ///< between the last two rising edges; 0: not known yet
    } state_;
};

} // namespace

BlockType clockDividerType() {
    using enum SignalKind;
    return {.id = "clock-divider",
            .name = "Clock divider",
            .about = "Eight divisions of a clock, from beats to subharmonics",
            .inputs = {{"clock", "clock", Clock, 0, 8}, {"reset", "reset", Gate, 0, 8}},
            .outputs = numbered(kOuts, JackSpec{"out", "out", Clock, 0, 10}),
            .controls = {{"series", "Series",
                          switchScale({"2 3 4 5 6 7 8 9", "2 3 5 7 11 13 17 19", "2 4 8 16 32 64 128 256"}), 0},
                         {"mode", "Mode", switchScale({"gates", "triggers"}), 0},
                         {"level", "Level", linearScale(Unit::Volts, 5, 10), 10}},
            .flows = {{{"reset"}, Does::Resets}},
            .make = makeBlock<ClockDivider>};
}

} // namespace lariat
