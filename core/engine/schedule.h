// A compiled patch: blocks in running order with their signals, ready to run.
#pragma once

#include "engine/graph.h"
#include "engine/order.h"
#include "engine/tap.h"

#include <map>
#include <memory>
#include <string>
#include <unordered_map>
#include <utility>
#include <vector>

namespace lariat {

struct EngineSettings {
    double rate = 96000.0;
    bool realCase = false;       ///< with what the metal adds: sag, noise, thresholds, drift
    std::vector<int> silenced{}; ///< cables that stay plugged and bring nothing
    JackRef listened{};          ///< the output that the monitor hears instead of the way out; an empty post: none
};

/// A cable that brings its signal one sample late, because it closes a loop.
struct LateCable {
    int cable = 0; ///< 0: a wire or normal behind a panel
    JackRef to;
};

class Schedule {
  public:
    using Taps = std::map<JackRef, std::shared_ptr<Tap>>;

    /// Compiles a checked patch. Taps that exist already are carried on; missing ones are made.
    Schedule(const Patch& patch, const Library& library, const EngineSettings& settings, Taps& taps,
             std::span<const JackRef> alsoHeard = {});
    Schedule(const Schedule&) = delete;
    Schedule& operator=(const Schedule&) = delete;

    /// Runs kRun samples and leaves them in left() and right(). No allocation, no lock.
    void run(Transport& transport, bool writeTaps);
    [[nodiscard]] const float* left() const { return left_.data(); }
    [[nodiscard]] const float* right() const { return right_.data(); }

    /// Slot of a post's knob, or -1 if its block does not run.
    [[nodiscard]] int controlSlot(const std::string& post, const std::string& knob) const;
    /// Moves a control to a value: smoothly within some 20 ms, switches at once.
    void setControl(int slot, float value);

    /// Remembers which blocks of `previous` go on in this schedule. Call once, before the swap.
    void inheritFrom(const Schedule& previous);
    /// Takes over the running state of those blocks. No allocation; `previous` is what inheritFrom was given.
    void takeOver(const Schedule& previous);

    [[nodiscard]] const Signal* signal(const JackRef& output) const;
    /// What the monitor is to hear instead of the way out, or nullptr.
    [[nodiscard]] const Signal* listened() const { return listened_; }
    [[nodiscard]] const std::vector<LateCable>& lateCables() const { return lateCables_; }
    [[nodiscard]] const std::vector<NormalInEffect>& normals() const { return normals_; }
    [[nodiscard]] std::size_t blockCount() const { return nodes_.size(); }
    /// Runs in which a block made something that is not a number; the block was silenced for that run.
    [[nodiscard]] std::uint64_t faults() const { return faults_; }
    /// The post of the last fault.
    [[nodiscard]] const std::string& faultyPost() const { return faultyPost_; }

  private:
    struct Control {
        float now = 0.0f;
        float target = 0.0f;
        bool isSwitch = false;
        bool moving = false; ///< is in moving_
    };
    struct RunningNode {
        std::string key;
        std::string post;
        const BlockType* type = nullptr;
        std::unique_ptr<Block> block;
        std::vector<const Signal*> inputs;
        std::vector<Signal*> outputs;
        std::size_t firstControl = 0;
        std::size_t controlCount = 0;
    };
    struct Late {
        const Signal* from = nullptr;
        std::unique_ptr<Signal> delayed;
        float last = 0.0f;
        std::string key;
    };
    struct RunningGroup {
        std::vector<std::size_t> nodes;
        std::vector<Late> late;
    };

    [[nodiscard]] const RunningNode* running(const Post& post, const PartInfo& part, const BlockPoint& at) const;
    void addNodes(const Graph& graph, const EngineSettings& settings);
    void addGroups(const Graph& graph, const Patch& patch, const Library& library);
    void addTaps(const Graph& graph, Taps& taps);
    void moveControls();
    void startMoving(std::size_t control);
    void call(RunningNode& node, Frame& frame, int begin, int end);
    void contain(RunningNode& node, int begin, int end);

    std::vector<RunningNode> nodes_;
    std::unordered_map<std::string, std::size_t> nodeByKey_;
    std::vector<RunningGroup> groups_;
    std::vector<Signal> signals_; ///< never resized after the nodes point into it
    std::vector<Control> controls_;
    std::vector<Ramp> ramps_;
    std::vector<std::size_t> moving_; ///< controls that have not arrived; room for all is reserved
    std::map<std::pair<std::string, std::string>, int> knobSlots_;
    std::map<JackRef, const Signal*> jackSignals_;
    std::vector<std::pair<const Signal*, std::shared_ptr<Tap>>> taps_;
    std::vector<std::pair<std::size_t, std::size_t>> inherited_; ///< mine, theirs
    std::vector<std::pair<Late*, const Late*>> inheritedLate_;
    std::vector<LateCable> lateCables_;
    std::vector<NormalInEffect> normals_;
    const Signal* listened_ = nullptr;
    std::array<float, kRun> left_{};
    std::array<float, kRun> right_{};
    double rate_ = 96000.0;
    float approach_ = 0.1f; ///< part of the way that a control goes in one run
    std::uint64_t faults_ = 0;
    std::string faultyPost_;
};

/// Denormal numbers are flushed to zero on this thread while it lives.
class FlushDenormals {
  public:
    FlushDenormals();
    ~FlushDenormals();
    FlushDenormals(const FlushDenormals&) = delete;
    FlushDenormals& operator=(const FlushDenormals&) = delete;

  private:
    unsigned before_ = 0;
};

} // namespace lariat
