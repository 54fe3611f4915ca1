// The flow of a patch: what every jack is to every other, over cables, normals and wires behind panels.
//
// It is the graph of blocks that runs, read with what each block says of its inputs (Flow). Nothing here knows a block
// by name.
#pragma once

#include "engine/graph.h"

#include <optional>
#include <string>
#include <vector>

namespace lariat {

/// From one input of a block to one of its outputs.
struct Way {
    int node = 0;
    int input = 0;
    int output = 0; ///< kOutOfTheCase: of a way out
    Does does = Does::Passes;
    std::vector<int> levels; ///< controls that scale it; the input's own amount is the first, if it has one
    std::vector<int> mutes;
    int opener = -1; ///< control that opens it by hand
    int solo = -1;
    int feedback = -1; ///< control by which it comes round again
    bool hasAmount = false;
    bool rings = false; ///< every hard edge strikes it
};
inline constexpr int kOutOfTheCase = -1;

/// A knob, and the control that it sets now.
struct KnobRef {
    std::string post;
    const KnobInfo* knob = nullptr;
    const Scale* scale = nullptr; ///< of what it sets now
};

class FlowMap {
  public:
    /// The patch must have passed checkPatch.
    FlowMap(const Patch& patch, const Library& library);

    [[nodiscard]] const Graph& graph() const { return graph_; }
    [[nodiscard]] const Node& node(int n) const { return graph_.nodes[idx(n)]; }
    [[nodiscard]] int nodeCount() const { return static_cast<int>(graph_.nodes.size()); }
    /// All ways of a block that are in effect with the plugs as they are.
    [[nodiscard]] const std::vector<Way>& ways(int n) const { return ways_[idx(n)]; }
    /// Those to one of its outputs that do one thing.
    [[nodiscard]] std::vector<const Way*> into(int n, int output, Does does) const;
    /// What feeds the input of a way; of node -1 if nothing does.
    [[nodiscard]] Source feeding(const Way& way) const { return node(way.node).inputs[idx(way.input)]; }
    /// The ways that open what this one passes.
    [[nodiscard]] std::vector<const Way*> openersOf(const Way& way) const;

    /// What its knobs make of what goes this way: 0 if one of them shuts it, or a switch does.
    [[nodiscard]] double gain(const Way& way) const;
    /// The control that shuts it, or -1; a mute, a level at nothing, or another way's solo.
    [[nodiscard]] int shutBy(const Way& way) const;
    [[nodiscard]] double control(int n, int c) const { return node(n).controls[idx(c)]; }

    /// The jack of the panel that an output comes out at, or an input is fed through; an empty post: it has none.
    [[nodiscard]] JackRef outputJack(int n, int output) const;
    [[nodiscard]] JackRef inputJack(int n, int input) const;
    /// The block input that a jack leads to; of node -1 if it does not run.
    struct At {
        int node = -1;
        int index = 0;
    };
    [[nodiscard]] At inputAt(const JackRef& jack) const;
    /// The knob that sets a control now; nothing if the panel has none.
    [[nodiscard]] std::optional<KnobRef> knobAt(int n, int control) const;
    /// It makes notes, steps or hits: it plays something written or by hand, or is led on or struck.
    [[nodiscard]] bool makesTime(int n) const;

  private:
    void addWays(int n);
    void placeJacks();
    [[nodiscard]] bool soloedOut(const Way& way) const;

    const Patch patch_;
    const Library* library_;
    Graph graph_;
    std::vector<std::vector<Way>> ways_;
    std::vector<int> blocks_; ///< of its part; -1: a wire
    std::map<std::pair<int, int>, JackRef> outputJacks_;
    std::map<std::pair<int, int>, JackRef> inputJacks_;
    std::map<JackRef, At> inputs_;
};

} // namespace lariat
