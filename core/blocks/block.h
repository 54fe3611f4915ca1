// What a block is: a descriptor (jacks, controls) and its DSP, side by side in one file.
//
// To add a block, copy a file such as attenuverter.cpp, and name its `BlockType` function in registry.cpp.
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
#include <vector>

namespace lariat {

/// What a jack is meant for. Any jack takes any signal; the kind only chooses words, colours and defaults.
enum class SignalKind { Audio, Pitch, Gate, Clock, Control };

struct JackSpec {
    std::string id;
    std::string name;
    SignalKind kind = SignalKind::Control;
    float min = -5.0f; ///< usual range in volts
    float max = 5.0f;
    std::string amount{}; ///< id of the control that scales this input, if there is one
};

struct ControlSpec {
    std::string id;
    std::string name;
    Scale scale;
    double initial = 0.0;
};

/// A control's way through one run: value(i) = start + step * i, with i the sample of the run.
struct Ramp {
    float start = 0.0f;
    float step = 0.0f;
    [[nodiscard]] float operator()(int i) const { return start + step * static_cast<float>(i); }
    [[nodiscard]] float end() const { return (*this)(kRun); }
};

/// Start, stop and song position, shared by a whole engine.
struct Transport {
    bool running = true;
    bool rewind = false;                  ///< asks clocks to start over at the next run
    double beats = 0.0;                   ///< written by the first clock of the patch
    std::array<MidiMessage, 32> played{}; ///< by hand, since the last run
    int playedCount = 0;
    const float* liveLeft = nullptr; ///< what comes in at the device, ±1 full scale; nullptr: nothing does
    const float* liveRight = nullptr;
};

/// One call's view of the world. Samples [begin, end) of the run are to be worked on.
struct Frame {
    int begin = 0;
    int end = kRun;
    double rate = 96000.0;
    std::span<const Signal* const> inputs; ///< nullptr: nothing plugged in
    std::span<Signal* const> outputs;      ///< nullptr: nobody listens
    std::span<const Ramp> controls;
    Transport* transport = nullptr;
    float* left = nullptr; ///< the case's way out, kRun samples each; only ways out add to it
    float* right = nullptr;

    [[nodiscard]] const Signal& in(int i) const {
        const Signal* signal = inputs[static_cast<std::size_t>(i)];
        return signal ? *signal : silence();
    }
    [[nodiscard]] bool plugged(int i) const { return inputs[static_cast<std::size_t>(i)] != nullptr; }
    [[nodiscard]] Signal* out(int i) const { return outputs[static_cast<std::size_t>(i)]; }
    [[nodiscard]] const Ramp& control(int i) const { return controls[static_cast<std::size_t>(i)]; }
    /// The position of a switch.
    [[nodiscard]] int position(int i) const { return static_cast<int>(control(i).start + 0.5f); }
    /// Writes an output, if somebody listens: `volts(i)` for each sample.
    template <class F> void write(int o, F&& volts) const {
        if (Signal* signal = out(o))
            for (int i = begin; i < end; ++i) (*signal)[i] = volts(i);
    }
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

/// Calls `work(frame)`. Within a loop the engine goes sample by sample; inlined, the call for that is straight-line
/// code, because the compiler sees that there is one sample.
template <class F> void eachLength(const Frame& frame, F&& work) {
    if (frame.end == frame.begin + 1) {
        Frame one = frame;
        one.end = one.begin + 1;
        work(one);
    } else {
        work(frame);
    }
}

/// Copies a signal with its edges.
inline void passOn(const Signal& in, Signal& out, const Frame& frame) {
    std::copy(in.volts.begin() + frame.begin, in.volts.begin() + frame.end, out.volts.begin() + frame.begin);
    out.listsEdges = in.listsEdges;
    out.edgeCount = in.edgeCount;
    std::copy_n(in.edges.begin(), in.edgeCount, out.edges.begin());
}

/// What a block is told before it runs.
struct Setup {
    double rate = 96000.0;
    std::uint64_t seed = 1;                           ///< of this block's own randomness
    std::shared_ptr<const Pattern> pattern;           ///< of the post that the block stands in; may be empty
    std::shared_ptr<const Performance> performance{}; ///< what is played on that post; may be empty
    std::shared_ptr<const Sample> sample{};           ///< the recording on that post; may be empty
    std::shared_ptr<const Tuning> tuning{};           ///< the scale on that post; may be empty
    std::uint64_t pluggedOutputs = 0;                 ///< bit n: a plug is in output n's jack
    int chainPlace = 0;                               ///< units before this one, linked into it
    int chainLength = 1;                              ///< units in the whole chain
    bool realCase = false;                            ///< tuning drifts and tracks a little wrong, as metal does
};

class Block {
  public:
    virtual ~Block() = default;
    /// Called once, outside the audio callback; may allocate.
    virtual void prepare(const Setup& setup) = 0;
    /// Works on [begin, end) of the run. No allocation, no lock.
    virtual void process(const Frame& frame) = 0;
    /// Takes over the running state of a block of the same type. No allocation.
    virtual void adopt(const Block& other) = 0;
};

/// Implements `adopt` for a block T that keeps everything that runs in a trivially copyable `T::State state_`.
template <class T> class StatefulBlock : public Block {
  public:
    void adopt(const Block& other) final { static_cast<T*>(this)->state_ = static_cast<const T&>(other).state_; }
};

struct BlockType {
    std::string id;
    std::string name;
    std::string about;
    std::vector<JackSpec> inputs;
    std::vector<JackSpec> outputs;
    std::vector<ControlSpec> controls;
    std::unique_ptr<Block> (*make)();
};

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
        if constexpr (requires { spec.amount; })
            if (!spec.amount.empty()) spec.amount = wordWithNumber(one.amount, '-', n);
        all.push_back(std::move(spec));
    }
    return all;
}
/// The lists one after another.
template <class Spec> std::vector<Spec> joined(std::initializer_list<std::vector<Spec>> lists) {
    std::vector<Spec> all;
    for (const auto& list : lists) all.insert(all.end(), list.begin(), list.end());
    return all;
}

} // namespace lariat
