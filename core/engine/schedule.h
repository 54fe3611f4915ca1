// A compiled patch: blocks in running order, bound to their signals, ready to run.
#pragma once

#include "engine/automation.h"
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
    bool scenes = false;         ///< knobs follow the scenes of the patch
};

/// A cable that brings its signal one sample late, because it closes a loop.
struct LateCable {
    int cable = 0; ///< 0: a wire or normal behind a panel
    JackRef to;
};

class Schedule {
  public:
    /// Compiles a checked patch. `alsoHeard`: outputs that run though nothing is plugged into them, and inputs.
    Schedule(const Patch& patch, const Library& library, const EngineSettings& settings,
             std::span<const JackRef> alsoHeard = {});
    Schedule(const Schedule&) = delete;
    Schedule& operator=(const Schedule&) = delete;

    /// Runs kRun samples and leaves them in left() and right(). No allocation, no lock.
    void run(Transport& transport);
    [[nodiscard]] const float* left() const { return world_.left.data(); }
    [[nodiscard]] const float* right() const { return world_.right.data(); }
    /// Back to the beginning: as if it had just been compiled, controls where they have gone to. Not in the callback.
    void reset();

    /// Slot of a post's knob, or -1 if its block does not run.
    [[nodiscard]] int controlSlot(const std::string& post, const std::string& knob) const;
    /// Moves a control to a value: smoothly within some 20 ms, switches at once.
    void setControl(int slot, float value);
    /// Moves a control in a straight line, so that it arrives after so many runs (of kRun samples); 0: at once.
    void moveControl(int slot, float value, int runs);

    /// Blocks that a post's material goes to: indices for `exchange`.
    [[nodiscard]] std::vector<int> playersOf(const std::string& post) const;
    /// Exchanges a block's material; the old one is left in `material`. No allocation.
    void exchange(int player, Material& material) { nodes_[idx(player)].block->exchange(material); }

    /// Remembers which blocks of `previous` go on in this schedule. Call once, before the swap.
    void inheritFrom(const Schedule& previous);
    /// Takes over the running state and the memory of those blocks. No allocation; `previous` is what inheritFrom was
    /// given, and may run on for the time of a cross-fade.
    void takeOver(Schedule& previous);

    /// What an output gives, or an input gets; nullptr if it does not run or nothing feeds it.
    [[nodiscard]] const Signal* signal(const JackRef& jack) const;
    /// What a block gives, by the key of its node in the graph; nullptr if nobody hears it.
    [[nodiscard]] const Signal* signal(const std::string& key, int output) const;
    /// What the monitor is to hear instead of the way out, or nullptr.
    [[nodiscard]] const Signal* listened() const { return listened_; }
    /// A loop stands at the rails: most of the last run of something in it was beyond the exact range.
    [[nodiscard]] bool howls() const { return howls_; }
    /// Most of the last run of what goes to a way out was beyond the exact range.
    [[nodiscard]] bool pinned() const;
    [[nodiscard]] const std::vector<LateCable>& lateCables() const { return lateCables_; }
    [[nodiscard]] const std::vector<NormalInEffect>& normals() const { return normals_; }
    [[nodiscard]] std::size_t blockCount() const { return nodes_.size(); }
    /// Runs in which a block made something that is not a number; the block was silenced for that run.
    [[nodiscard]] std::uint64_t faults() const { return faults_; }
    /// The post of the first fault; empty if there was none.
    [[nodiscard]] std::string faultyPost() const { return firstFault_ < 0 ? "" : nodes_[idx(firstFault_)].post; }

    /// The block that tells of a post, as an index for `tell`; -1 if none does.
    [[nodiscard]] int tellerOf(const std::string& post) const;
    void tell(int node, Told& told) const { nodes_[idx(node)].block->tell(told); }

  private:
    struct Control {
        float now = 0.0f;
        float target = 0.0f;
        int runsLeft = 0; ///< of a straight way; 0: it glides
        bool isSwitch = false;
        bool moving = false; ///< is in moving_
    };
    struct RunningNode {
        std::string key;
        std::string post;
        const BlockType* type = nullptr;
        std::unique_ptr<Block> block;
        Setup setup;
        std::vector<const Signal*> inputs;
        std::vector<Signal*> outputs;
        std::size_t firstControl = 0;
        std::size_t controlCount = 0;
        std::uint64_t plugged = 0;
        std::uint64_t heard = 0;
    };
    /// A knob that follows the scenes.
    struct Following {
        AutomationLine line;
        int slot = -1;
        int piece = -1;  ///< the one that was in force in the last run
        int routed = -1; ///< of those with several uses
    };
    /// What a knob sets while switches of its part stand somewhere.
    struct Use {
        std::vector<std::pair<int, int>> when; ///< slots of switches and their positions; all of them
        int slot = -1;
        Scale scale;
        float rest = 0.0f; ///< where the control stands that no knob sets
    };
    /// A knob that has several uses, of which scenes may change the one that is in force.
    struct Routed {
        std::string post;
        std::string knob;
        Scale scale;           ///< its own
        double place = 0.0;    ///< on its dial
        std::vector<Use> uses; ///< the first that holds counts; the last one always does
        std::size_t current = 0;
        bool moved = false;
    };
    struct Late {
        const Signal* from = nullptr;
        std::unique_ptr<Signal> delayed; ///< what the late input hears
        float last = 0.0f;
        std::string key;
    };
    /// One call: a block or a section of it, and the outputs that it writes.
    struct Step {
        Block* block = nullptr;
        Block::Tick tick = nullptr;
        int section = 0;
        int node = 0;
        Signal* const* outs = nullptr;
        int outCount = 0;
    };
    struct RunningGroup {
        std::vector<Step> steps;
        std::vector<Block*> blocks; ///< of a loop, each once
        std::vector<Late> late;     ///< empty unless the group is a loop
    };

    [[nodiscard]] const RunningNode* running(const Post& post, const PartInfo& part, const BlockPoint& at) const;
    void addNodes(const Graph& graph, const EngineSettings& settings);
    void addGroups(const Graph& graph, const Patch& patch, const Library& library);
    void addLate(RunningGroup& group, const LateInput& late, const Graph& graph, const Patch& patch,
                 const Library& library);
    Step stepOf(const RunUnit& unit);
    void bindNodes(const EngineSettings& settings);
    void chooseTicks();
    void mapJacks(const Graph& graph, const Patch& patch, const Library& library);
    void moveControls();
    void followScenes(const Transport& transport);
    void followLines(const Patch& patch, const Library& library);
    [[nodiscard]] int routedFor(const Post& post, const PartInfo& part, const KnobInfo& knob, const Patch& patch);
    void route();
    void startMoving(std::size_t control);
    void runOnce(const RunningGroup& group);
    void runLoop(RunningGroup& group);
    void fault(int node);

    std::vector<RunningNode> nodes_;
    std::unordered_map<std::string, std::size_t> nodeByKey_;
    std::vector<RunningGroup> groups_;
    std::vector<Signal> signals_; ///< never resized after the nodes point into it
    std::vector<EdgeList> edges_; ///< nor after the signals do
    std::vector<std::vector<Signal*>> stepOuts_;
    std::vector<Control> controls_;
    std::vector<Ramp> ramps_;
    std::vector<Following> following_;
    std::vector<Routed> routed_;
    double lastBeats_ = 0.0;          ///< at the start of the last run
    std::vector<std::size_t> moving_; ///< controls that have not arrived; room for all is reserved
    std::map<std::pair<std::string, std::string>, int> knobSlots_;
    std::map<JackRef, const Signal*> jackSignals_;
    std::vector<std::pair<std::size_t, std::size_t>> inherited_; ///< mine, theirs
    std::vector<std::pair<Late*, const Late*>> inheritedLate_;
    std::vector<LateCable> lateCables_;
    std::vector<NormalInEffect> normals_;
    std::vector<const Signal*> leadingOut_; ///< what goes into ways out
    const Signal* listened_ = nullptr;
    World world_;
    double rate_ = 96000.0;
    float approach_ = 0.1f; ///< part of the way that a control goes in one run
    std::uint64_t faults_ = 0;
    int firstFault_ = -1;
    bool howls_ = false;
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
