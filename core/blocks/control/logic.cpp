// Logic: two gates in, everything that logic makes of them out, at the exact time of their edges.
//
// AND, OR, XOR, NAND of a and b; NOT of a; a flip-flop that toggles at each rising edge of a and is cleared by one of
// b; a trigger of 5 ms from each rising and one from each falling edge of a; a delayed, by `delay`; a with its length
// made `length`; and a's pulses let through with a chance (seeded), the others at `held back`.
#include "blocks/parts/pulses.h"
#include "blocks/parts/random.h"
#include "blocks/types.h"

namespace lariat {
namespace {

enum In { A, B, ChanceCv };
enum Out { And, Or, Xor, Nand, Not, FlipFlop, OnRise, OnFall, Delayed, Length, Let, NotLet, kOuts };
enum Control { DelayTime, LengthTime, Chance, ChanceAmount };

class Logic final : public StatefulBlock<Logic> {
  public:
    static constexpr bool kHasMemory = true;

    void prepare(const Setup& setup) override {
        state_.random.state = setup.seed;
        memory_.own = std::make_unique_for_overwrite<Waiting[]>(kQueue);
        memory_.queue = memory_.own.get();
    }

    void process(const Frame& frame) {
        State& s = state_;
        for (int o = 0; o < kOuts; ++o) s.outs[o].start(frame, o);
        if (!s.begun) {
            s.begun = true;
            combine(frame.begin - 1.0);
        }
        const double trigger = kTriggerSeconds * frame.rate();
        const auto until = [&](double at) { passDelayed(at); };
        s.gates.inOrder(frame, {A, B}, until, [&](int which, const Edge& edge) {
            const auto at = static_cast<double>(edge.at);
            combine(at);
            if (which == 1) {
                if (edge.rising) s.outs[FlipFlop].drop(at);
                return;
            }
            later(edge.rising, at + static_cast<double>(frame.control(DelayTime).start) * frame.rate());
            if (!edge.rising) {
                s.outs[OnFall].fire(at, trigger, kGateVolts);
                s.outs[Let].drop(at);
                s.outs[NotLet].drop(at);
                return;
            }
            s.outs[OnRise].fire(at, trigger, kGateVolts);
            s.outs[FlipFlop].high() ? s.outs[FlipFlop].drop(at) : s.outs[FlipFlop].raise(at, kGateVolts);
            s.outs[Length].drop(at);
            s.outs[Length].fire(at, static_cast<double>(frame.control(LengthTime).start) * frame.rate(), kGateVolts);
            const int i = frame.sampleAt(at);
            const float chance = 0.01f * modulated(frame, Chance, ChanceCv, ChanceAmount, 10.0f)(i);
            const bool let = 0.5f * (s.random.bipolar() + 1.0f) < chance;
            s.outs[let ? Let : NotLet].raise(at, kGateVolts);
        });
        passDelayed(frame.end - 1.0);
        for (PulseWriter& out : s.outs) out.finish(frame);
        if (frame.endsRun()) s.origin += kRun;
    }

  private:
    friend class StatefulBlock<Logic>;
    struct Waiting { // not initialised
        double at;   ///< in samples since the start, so that two schedules may read one queue
        bool rising;
    };
    static constexpr int kQueue = 1 << 14; ///< edges: the longest delay of pulses at 2 kHz
    Waiting& queued(int n) { return memory_.queue[(state_.first + n) % kQueue]; }

    void later(bool rising, double at) {
        if (state_.waiting < kQueue) queued(state_.waiting++) = {state_.origin + at, rising};
    }

    void passDelayed(double to) {
        State& s = state_;
        while (s.waiting > 0 && queued(0).at - s.origin <= to) {
            const double at = queued(0).at - s.origin;
            queued(0).rising ? s.outs[Delayed].raise(at, kGateVolts) : s.outs[Delayed].drop(at);
            s.first = (s.first + 1) % kQueue;
            --s.waiting;
        }
    }

    void combine(double at) {
        State& s = state_;
        const bool a = s.gates.high(0);
        const bool b = s.gates.high(1);
        const auto set = [&](Out out, bool high) { high ? s.outs[out].raise(at, kGateVolts) : s.outs[out].drop(at); };
        set(And, a && b);
        set(Or, a || b);
        set(Xor, a != b);
        set(Nand, !(a && b));
        set(Not, !a);
    }

    struct Memory {
        std::unique_ptr<Waiting[]> own;
        Waiting* queue = nullptr;
        void take(Memory& other) {
            std::swap(own, other.own); // which goes on reading there
            queue = own.get();
        }
    } memory_;
    struct State {
        GateBank<2> gates;
        PulseWriter outs[kOuts];
        Random random;
        double origin = 0.0; ///< samples before this run
        int first = 0;
        int waiting = 0;
        bool begun = false;
    } state_;
};

} // namespace

BlockType logicType() {
    using enum SignalKind;
    return {.id = "logic",
            .name = "Logic",
            .about = "Gates from gates: combined, toggled, delayed, lengthened, left to chance",
            .inputs = {{"a", "a", Gate, 0, 8},
                       {"b", "b", Gate, 0, 8},
                       {"chance-cv", "chance cv", SignalKind::Control, -5, 8, "chance-amount"}},
            .outputs = {{"and", "and", Gate, 0, 8},
                        {"or", "or", Gate, 0, 8},
                        {"xor", "xor", Gate, 0, 8},
                        {"nand", "nand", Gate, 0, 8},
                        {"not", "not", Gate, 0, 8},
                        {"flip-flop", "flip-flop", Gate, 0, 8},
                        {"on-rise", "on rise", Gate, 0, 8},
                        {"on-fall", "on fall", Gate, 0, 8},
                        {"delayed", "delayed", Gate, 0, 8},
                        {"length", "length", Gate, 0, 8},
                        {"let", "let through", Gate, 0, 8},
                        {"not-let", "held back", Gate, 0, 8}},
            .controls = {{"delay", "Delay", logScale(Unit::Seconds, 0.0001, 4), 0.05},
                         {"length", "Length", logScale(Unit::Seconds, 0.0005, 4), 0.05},
                         {"chance", "Chance", percent(), 50},
                         {"chance-amount", "Chance CV", bipolarPercent(), 0}},
            .flows = {{{"a"}, Does::Strikes},
                      {{"b"}, Does::Strikes, {"and", "or", "xor", "nand"}},
                      {{"b"}, Does::Resets, {"flip-flop"}},
                      {{"chance-cv"}, Does::Moves, {"let", "not-let"}}},
            .make = makeBlock<Logic>};
}

} // namespace lariat
