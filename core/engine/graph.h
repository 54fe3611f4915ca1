// From a patch to blocks and wires: modules are taken apart, normals resolved, jacks given what lies behind them.
#pragma once

#include "library/library.h"

#include <cstdint>
#include <map>
#include <span>
#include <string>
#include <vector>

namespace lariat {

/// What feeds an input.
struct Source {
    int node = -1; ///< -1: nothing
    int output = 0;
    int cable = 0; ///< the cable that brings it; 0 for wires behind the panel and normals
};

struct Node {
    std::string key; ///< "post/block", the same from one edit to the next
    std::string post;
    const BlockType* type = nullptr;
    std::vector<double> controls;
    std::vector<Source> inputs;
    std::vector<bool> heard; ///< outputs that feed something
    Setup setup;             ///< without the rate
    bool implied = false;    ///< of a part that stands as no post: the case's own wiring behind the patch
};

/// A normal that is in effect: no plug breaks it, and something feeds it.
struct NormalInEffect {
    JackRef from; ///< the output at the end of the chain
    JackRef to;
};

struct Graph {
    std::vector<Node> nodes; ///< only those that are heard, lead out, keep time, or measure; in order of their keys
    std::vector<NormalInEffect> normals;
    std::map<JackRef, Source> outputs; ///< where each output jack that runs gets its signal
    std::map<JackRef, Source> inputs;  ///< what arrives at each input jack that is fed, in volts at the jack
};

struct GraphOptions {
    std::span<const JackRef>
        alsoHeard{};                 ///< outputs that run even if nothing is plugged into them, inputs that are watched
    bool realCase = false;           ///< with what the metal adds; see electrics.h
    std::span<const int> silenced{}; ///< cables that stay plugged and bring nothing
};

/// What the blocks of a post play or keep to.
Material materialOf(const Patch& patch, const Library& library, const Post& post);

/// Output that feeds an input: through its cable, else along its normals. An empty post means nothing does.
JackRef feederOf(const Patch& patch, const Library& library, const JackRef& input);

/// The patch must have passed checkPatch. Parts of a module that are wired behind the panel to those in use, but stand
/// as no post, are in it with their knobs at rest.
Graph buildGraph(const Patch& patch, const Library& library, const GraphOptions& options = {});

} // namespace lariat
