// Clock divider: eight outputs that count the rising edges of a clock, up to audio rate.
//
// Output n divides by d(n): whole numbers 2…9, primes 2…19, or powers of two 2…256. In gate mode an output is high for
// d/2 input periods and low for as long: an even d toggles at every (d/2)th rising edge; an odd one rises at a
// rising edge and falls, by the input's own falling edge, half an input period into its middle, so that a square comes
// out for a square. In trigger mode it gives 5 ms from each dth edge. All outputs rise together at the first edge after
// a reset. Gates are 0…10 V, band-limited at their sub-sample edges (blep.h).
#include "blocks/blep.h"
#include "blocks/pulses.h"
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

    void process(const Frame& frame) override {
        State& s = state_;
        const auto& series = kSeries[static_cast<std::size_t>(frame.position(Series))];
        const bool triggers = frame.position(Mode) == 1;
        const float high = frame.control(Level).start;
        for (int o = 0; o < kOuts; ++o)
            if (Signal* out = frame.out(o)) out->listsEdges = true;
        std::array<Walk, kOuts> walks{Walk(frame), Walk(frame), Walk(frame), Walk(frame),
                                      Walk(frame), Walk(frame), Walk(frame), Walk(frame)};
        const auto set = [&](int o, double at, bool up) {
            Output& output = s.outputs[static_cast<std::size_t>(o)];
            Signal* out = frame.out(o);
            if (output.high == up) return;
            walks[static_cast<std::size_t>(o)].upTo(
                at, [&](int i) { output.corners.line()[i - frame.begin] += output.level; });
            const float next = up ? high : 0.0f;
            output.corners.jump(static_cast<float>(at - frame.begin), next - output.level);
            output.level = next;
            output.high = up;
            if (out) out->addEdge(static_cast<float>(at), up);
        };
        const auto endTriggers = [&](double to) {
            for (int o = 0; o < kOuts; ++o)
                if (Output& output = s.outputs[static_cast<std::size_t>(o)]; output.ends <= to) {
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
            if (edge.rising) s.count = (s.count + 1) % kCommon;
            if (s.count < 0) return;
            for (int o = 0; o < kOuts; ++o) {
                const int divisor = series[static_cast<std::size_t>(o)];
                const auto place = static_cast<int>(s.count % divisor);
                if (triggers) {
                    if (!edge.rising || place != 0) continue;
                    set(o, at, true);
                    s.outputs[static_cast<std::size_t>(o)].ends = at + kTriggerSeconds * frame.rate;
                } else {
                    const bool odd = divisor % 2 == 1;
                    const bool before = odd && place == divisor / 2 && edge.rising;
                    set(o, at, place < divisor / 2 || before);
                    s.outputs[static_cast<std::size_t>(o)].ends = kNever;
                }
            }
        });
        endTriggers(frame.end - 1.0);
        for (int o = 0; o < kOuts; ++o) {
            Output& output = s.outputs[static_cast<std::size_t>(o)];
            walks[static_cast<std::size_t>(o)].toEnd(
                [&](int i) { output.corners.line()[i - frame.begin] += output.level; });
            std::array<float, kRun> volts;
            output.corners.flush(volts.data(), frame.end - frame.begin);
            frame.write(o, [&](int i) { return volts[static_cast<std::size_t>(i - frame.begin)]; });
            if (frame.end == kRun) output.ends -= kRun;
        }
    }

  private:
    friend class StatefulBlock<ClockDivider>;
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
    } state_;
};

} // namespace

BlockType clockDividerType() {
    using enum SignalKind;
    return {"clock-divider",
            "Clock divider",
            "Eight divisions of a clock, from beats to subharmonics",
            {{"clock", "clock", Clock, 0, 8}, {"reset", "reset", Gate, 0, 8}},
            numbered(kOuts, JackSpec{"out", "out", Clock, 0, 10}),
            {{"series", "Series", switchScale({"2 3 4 5 6 7 8 9", "2 3 5 7 11 13 17 19", "2 4 8 16 32 64 128 256"}), 0},
             {"mode", "Mode", switchScale({"gates", "triggers"}), 0},
             {"level", "Level", linearScale(Unit::Volts, 5, 10), 10}},
            makeBlock<ClockDivider>};
}

} // namespace lariat
