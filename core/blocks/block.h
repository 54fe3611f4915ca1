// What a block is: a descriptor (jacks, controls) and its DSP, side by side in one file.
//
// To add a block, copy a file such as control/attenuverter.cpp, and name its `BlockType` function in registry.cpp.
//
// A block keeps four things apart, and the compiler holds it to that:
//   Material  what it plays or keeps to: pattern, performance, recording, tuning. Shared and never changed; exchanged
//             in place while the block runs, so whatever counts in it is checked against what is there now.
//   State     what runs: a trivially copyable struct `State state_`, copied when a patch is compiled anew.
//   Memory    delay lines and the like, in a struct `Memory memory_`: handed over then, never copied.
//   all else  follows from Setup and ports, and is worked out anew by `prepare` and `bound`.
#pragma once

#include "blocks/signal.h"
#include "model/pattern.h"
#include "model/performance.h"
#include "model/sample.h"
#include "units/scale.h"
#include "units/tuning.h"

#include <algorithm>
#include <array>
#include <cstdint>
#include <initializer_list>
#include <memory>
#include <span>
#include <string>
#include <type_traits>
#include <utility>
#include <vector>

namespace lariat {

/// What a jack is meant for. Any jack takes any signal; the kind only chooses words, colours and defaults.
enum class SignalKind { Audio, Pitch, Gate, Clock, Control };

/// What one volt at an input does to a control of its block, with the amount that scales it fully open.
struct Aim {
    std::string control;
    double perVolt = 0.0; ///< in octaves, or in the control's unit
    bool octaves = false;
};

struct JackSpec {
    std::string id{};
    std::string name{};
    SignalKind kind = SignalKind::Control;
    float min = -5.0f; ///< usual range in volts
    float max = 5.0f;
    std::string amount{};    ///< id of the control that scales this input, if there is one
    std::vector<Aim> aims{}; ///< of an input: what it moves
    bool edges = false;      ///< of an output: may list edges, though it is neither a gate nor a clock

    [[nodiscard]] bool mayListEdges() const { return edges || kind == SignalKind::Gate || kind == SignalKind::Clock; }
};

/// What an input is to an output of its block.
enum class Does {
    Passes,  ///< its voltage goes through: scaled, shaped, summed
    Opens,   ///< raises the level of what passes
    Tunes,   ///< sets the pitch
    Times,   ///< each pulse leads one step further
    Strikes, ///< what it does is made into gates, or starts something
    Resets,  ///< takes it back to its start
    Holds,   ///< keeps it as it is while it is high
    Moves    ///< moves something else; the jack's aims may say what
};

/// What inputs are to outputs. Where a block says nothing of an input, its kind does (flowsOf).
struct Flow {
    std::vector<std::string> inputs{};
    Does does = Does::Passes;
    std::vector<std::string> outputs{}; ///< none: all; of a way out, the case's own
    std::vector<std::string> levels{};  ///< controls that scale it on its way, beside the input's own amount
    std::string opener{}; ///< of what opens, what is opened and what holds: the control that does it by hand
    std::vector<std::string> mutes{};         ///< switches that shut it
    std::string feedback{};                   ///< control by which it comes round again: at 100 % it never dies away
    std::string solo{};                       ///< switch that shuts all ways whose own is not on
    std::vector<std::string> unlessPlugged{}; ///< jacks whose plug takes it away
    bool rings = false;                       ///< it rings at what comes in: every hard edge strikes it
};

struct ControlSpec {
    std::string id;
    std::string name;
    Scale scale;
    double initial = 0.0;
    bool momentary = false; ///< a button: down while it is pressed, in no patch file
};

/// A control's way through one run: value(i) = start + step * i, with i the sample of the run.
struct Ramp {
    float start = 0.0f;
    float step = 0.0f;
    [[nodiscard]] float operator()(int i) const { return start + step * static_cast<float>(i); }
    [[nodiscard]] float end() const { return (*this)(kRun); }
};

/// A message played by hand, and when: in samples from the start of the run.
struct Played {
    float at = 0.0f;
    MidiMessage message{};
};

/// Start, stop and song position, shared by a whole engine.
struct Transport {
    static constexpr int kMostPlayed = 64;

    bool running = true;
    bool rewind = false;                      ///< asks clocks and players to start over at the next run
    double beats = 0.0;                       ///< written by the first clock of the patch
    std::array<Played, kMostPlayed> played{}; ///< by hand, in this run, in order of time
    int playedCount = 0;
    const float* liveLeft = nullptr; ///< what comes in at the device, ±1 full scale; nullptr: nothing does
    const float* liveRight = nullptr;
};

/// What all blocks of a schedule share.
struct World {
    Transport* transport = nullptr;
    Line left; ///< the case's way out; only ways out add to it
    Line right;
};

/// What a block is tied to. Bound once, when the patch has been compiled; the pointers stay.
struct Ports {
    const Signal* const* inputs = nullptr; ///< silence() where nothing is plugged in
    Signal* const* outputs = nullptr;      ///< nullptr: nobody listens
    const Ramp* controls = nullptr;
    std::uint64_t plugged = 0; ///< bit n: something feeds input n
    std::uint64_t heard = 0;   ///< bit n: somebody listens to output n
    double rate = 96000.0;
    World* world = nullptr;
};

/// A call: samples [begin, end) of the run are to be worked on.
class Frame {
  public:
    Frame(const Ports& ports, int begin, int end, int section = 0)
        : begin(begin), end(end), section(section), ports_(ports) {}

    const int begin;
    const int end;
    const int section; ///< of BlockType::sections

    [[nodiscard]] double rate() const { return ports_.rate; }
    [[nodiscard]] const Signal& in(int i) const { return *ports_.inputs[i]; }
    [[nodiscard]] bool plugged(int i) const { return (ports_.plugged >> i & 1u) != 0; }
    [[nodiscard]] Signal* out(int i) const { return ports_.outputs[i]; }
    [[nodiscard]] const Ramp& control(int i) const { return ports_.controls[i]; }
    /// The position of a switch: whole and not negative, so that half more is rounding enough.
    // NOLINTNEXTLINE(bugprone-incorrect-roundings)
    [[nodiscard]] int position(int i) const { return static_cast<int>(control(i).start + 0.5f); }
    [[nodiscard]] Transport& transport() const { return *ports_.world->transport; }
    [[nodiscard]] World& world() const { return *ports_.world; }
    /// The last call of this run.
    [[nodiscard]] bool endsRun() const { return end == kRun; }
    /// The sample at which something that happens at time `at` is first seen.
    [[nodiscard]] int sampleAt(double at) const { return std::clamp(static_cast<int>(std::ceil(at)), begin, end - 1); }
    /// Writes an output, if somebody listens: `volts(i)` for each sample.
    template <class F> void write(int o, F&& volts) const {
        if (Signal* signal = out(o))
            for (int i = begin; i < end; ++i) (*signal)[i] = volts(i);
    }

  private:
    const Ports& ports_;
};

/// A control together with what its CV input adds: control + amount/100 · perVolt · V.
struct Modulated {
    Ramp base;
    Ramp amount;
    const float* cv;
    float perVolt;
    [[nodiscard]] float operator()(int i) const { return base(i) + 0.01f * perVolt * amount(i) * cv[i]; }
};
inline Modulated modulated(const Frame& frame, int control, int input, int amount, float perVolt) {
    return {frame.control(control), frame.control(amount), frame.in(input).volts.data(), perVolt};
}

/// Copies a signal with its edges.
inline void passOn(const Signal& in, Signal& out, const Frame& frame) {
    std::copy(in.volts.begin() + frame.begin, in.volts.begin() + frame.end, out.volts.begin() + frame.begin);
    if (!in.listsEdges() || !out.list) return;
    out.list->listed = true;
    out.list->count = in.list->count;
    std::copy_n(in.list->edges.begin(), in.list->count, out.list->edges.begin());
}

/// What a block plays or keeps to.
struct Material {
    std::shared_ptr<const Pattern> pattern{};
    std::shared_ptr<const Performance> performance{};
    std::shared_ptr<const Sample> sample{};
    std::shared_ptr<const Tuning> tuning{};

    bool operator==(const Material&) const = default; ///< the same, not only alike
};

/// What a block is told before it runs.
struct Setup {
    double rate = 96000.0;
    std::uint64_t seed = 1;           ///< of this block's own randomness
    Material material{};              ///< of the post that the block stands in
    std::uint64_t pluggedOutputs = 0; ///< bit n: a plug is in output n's jack
    int chainPlace = 0;               ///< units before this one, linked into it
    int chainLength = 1;              ///< units in the whole chain
    bool leadsBeats = true;           ///< of the clocks in a patch, the one that counts the transport's beats
    bool realCase = false;            ///< tuning drifts and tracks a little wrong, as metal does
};

/// What a block tells of itself while it runs: step now playing, stage now active, bits of a register. What each number
/// is stands at the block's `tell`.
using Told = std::array<int, 32>;

class Block {
  public:
    virtual ~Block() = default;
    Block() = default;
    Block(const Block&) = delete;
    Block& operator=(const Block&) = delete;

    /// One sample of a block, for loops.
    using Tick = void (*)(Block& block, int sample, int section);

    /// Called outside the audio callback, before the first run and to start afresh; may allocate.
    void start(const Setup& setup) {
        material_ = setup.material;
        fresh();
        prepare(setup);
    }
    /// Ties the block to its signals; outside the audio callback, once they are final.
    void bind(const Ports& ports) {
        ports_ = ports;
        bound();
    }
    /// Works on samples [begin, end) of the run. No allocation, no lock. Outputs need not be held in the rails.
    virtual void run(int begin, int end, int section) = 0;
    /// What runs this block sample by sample. To be asked once it is bound: it may depend on what is heard.
    [[nodiscard]] virtual Tick tick() const = 0;
    /// Before the ticks of a run: works out what depends on the controls alone.
    virtual void beforeTicks() {}
    /// Takes over from a block of the same type, which goes on to run for the time of a cross-fade: copies its state,
    /// is handed its memory (the other one goes on reading there). No allocation.
    virtual void adopt(Block& other) = 0;
    /// Exchanges the material while the block runs; `other` is left with the old one. No allocation.
    void exchange(Material& other) {
        std::swap(material_, other);
        renewed(other);
    }
    virtual void tell(Told&) const {}

  protected:
    [[nodiscard]] const Material& material() const { return material_; }
    [[nodiscard]] const Ports& ports() const { return ports_; }
    virtual void prepare(const Setup& setup) { (void)setup; }
    /// Chooses how to run, now that what is plugged and heard is known.
    virtual void bound() {}
    /// The state is that of another block now: what was worked out from it is void.
    virtual void adopted() {}
    /// The material is another one than before.
    virtual void renewed(const Material& before) { (void)before; }

  private:
    virtual void fresh() = 0;

    Ports ports_;
    Material material_;
};

namespace detail {

/// The calls of a block T, which has `process(Frame)` and perhaps a quicker `one(sample)`.
template <class T> class RunningBlock : public Block {
  public:
    void run(int begin, int end, int section) final { self().process(Frame(ports(), begin, end, section)); }
    [[nodiscard]] Block::Tick tick() const override {
        return [](Block& block, int sample, int section) {
            T& self = static_cast<T&>(block);
            if constexpr (requires { self.one(sample); })
                self.one(sample);
            else
                self.process(Frame(self.ports(), sample, sample + 1, section));
        };
    }

  protected:
    using Block::ports; // so that the tick may ask
    T& self() { return static_cast<T&>(*this); }
};

} // namespace detail

/// A block whose outputs depend on nothing but its inputs and controls now.
template <class T> class StatelessBlock : public detail::RunningBlock<T> {
  public:
    void adopt(Block&) final {}

  private:
    friend class detail::RunningBlock<T>;
    void fresh() final {}
};

/// A block T that keeps everything that runs in a trivially copyable `T::State state_`, and what is too large to be
/// copied in a `T::Memory memory_` that knows `take(Memory&)`.
template <class T> class StatefulBlock : public detail::RunningBlock<T> {
  public:
    void adopt(Block& other) final {
        static_assert(std::is_trivially_copyable_v<typename T::State>, "what is copied must be plain data");
        T& mine = this->self();
        T& theirs = static_cast<T&>(other);
        mine.state_ = theirs.state_;
        if constexpr (T::kHasMemory) mine.memory_.take(theirs.memory_);
        mine.adopted();
        if (!(mine.material() == theirs.material())) mine.renewed(theirs.material());
    }

    static constexpr bool kHasMemory = false;

  private:
    void fresh() final { this->self().state_ = {}; }
};

/// Inputs and outputs of a block that depend on each other within the sample, as bits.
struct BlockSection {
    std::uint64_t inputs = 0;
    std::uint64_t outputs = 0;
};

/// Bits of a section.
constexpr std::uint64_t bits(std::initializer_list<int> places) {
    std::uint64_t out = 0;
    for (const int place : places) out |= std::uint64_t{1} << place;
    return out;
}

struct BlockType {
    std::string id{};
    std::string name{};
    std::string about{};
    std::vector<JackSpec> inputs{};
    std::vector<JackSpec> outputs{};
    std::vector<ControlSpec> controls{};
    std::vector<Flow> flows{}; ///< see flowsOf
    std::unique_ptr<Block> (*make)() = nullptr;
    /// How the block may be run piece by piece, each after the one before, so that what goes out of one and comes back
    /// into another closes no loop. Empty: it runs as a whole. Together they have all inputs and outputs.
    std::vector<BlockSection> sections{};
    bool runsUnheard = false;  ///< leads out, keeps time or measures: runs though nobody listens
    bool leadsOut = false;     ///< a way out of the case
    bool countsBeats = false;  ///< a clock: the first one of a patch counts the transport's beats
    bool chains = false;       ///< units linked from the last output into the first input play one performance together
    bool passive = false;      ///< its jacks are just joined: what is plugged into outputs loads the input's source
    bool playsPattern = false; ///< takes a pattern
    bool isPlayed = false;     ///< takes a performance
    bool playsSample = false;  ///< takes a recording
};

/// What every input of a block is to its outputs: as it says, and else by kind: sound passes to sound, pitch tunes,
/// gates strike, clocks time, and control moves something.
std::vector<Flow> flowsOf(const BlockType& type);

/// Every block there is, in the order of docs/blocks.
const std::vector<BlockType>& blockTypes();
/// The type of that id, or nullptr.
const BlockType* findBlockType(std::string_view id);

template <class T> std::unique_ptr<Block> makeBlock() {
    return std::make_unique<T>();
}

// Scales that many blocks share.
inline Scale linearScale(Unit unit, double min, double max) {
    return {unit, min, max, Taper::Linear, {}};
}
inline Scale logScale(Unit unit, double min, double max) {
    return {unit, min, max, Taper::Log, {}};
}
inline Scale squaredScale(Unit unit, double min, double max) {
    return {unit, min, max, Taper::Squared, {}};
}
inline Scale bipolarPercent() {
    return linearScale(Unit::Percent, -100, 100);
}
inline Scale percent() {
    return linearScale(Unit::Percent, 0, 100);
}
inline Scale switchScale(std::vector<std::string> words) {
    const double last = static_cast<double>(words.size()) - 1.0;
    return {Unit::None, 0.0, last, Taper::Switch, std::move(words)};
}

/// A knob whose travel falls into zones with words.
inline Scale zoneScale(Unit unit, double min, double max, std::vector<std::string> words) {
    return {unit, min, max, Taper::Linear, std::move(words)};
}

/// A button: up, or down while it is pressed.
inline ControlSpec button(std::string id, std::string name) {
    return {std::move(id), std::move(name), switchScale({"up", "down"}), 0.0, true};
}

/// A switch between the whole numbers from…to; its position is the number less `from`.
inline Scale countScale(int from, int to) {
    std::vector<std::string> words;
    for (int n = from; n <= to; ++n) words.push_back(std::to_string(n));
    return switchScale(std::move(words));
}

/// "word-3", "word 3".
std::string wordWithNumber(const std::string& word, char between, int number);

/// `count` jacks or controls named after `one`, with "1", "2"… put behind its ids and names.
template <class Spec> std::vector<Spec> numbered(int count, const Spec& one) {
    std::vector<Spec> all;
    for (int n = 1; n <= count; ++n) {
        Spec spec = one;
        spec.id = wordWithNumber(one.id, '-', n);
        spec.name = wordWithNumber(one.name, ' ', n);
        if constexpr (requires { spec.amount; }) {
            if (!spec.amount.empty()) spec.amount = wordWithNumber(one.amount, '-', n);
            for (Aim& aim : spec.aims) aim.control = wordWithNumber(aim.control, '-', n);
        }
        all.push_back(std::move(spec));
    }
    return all;
}
/// The same of ways: with "-1", "-2"… behind their inputs and controls.
std::vector<Flow> numbered(int count, const Flow& one);
/// The lists one after another.
template <class Spec> std::vector<Spec> joined(std::initializer_list<std::vector<Spec>> lists) {
    std::vector<Spec> all;
    for (const auto& list : lists) all.insert(all.end(), list.begin(), list.end());
    return all;
}

} // namespace lariat
