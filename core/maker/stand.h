// The test stand: a module that is being made, with keys that play, a clock, a test tone and a way out tied to whatever
// its jacks are for, so that it is heard as soon as it holds. Seen in two ways: as its panel, or behind the panel,
// where its blocks are the posts and its wires the rows.
#pragma once

#include "library/workspace.h"

#include <optional>
#include <string>
#include <vector>

namespace lariat {

enum class StandView { Panel, Behind };

struct Stand {
    Workspace workspace; ///< its library holds the module and every block as a module of its own; its case, the stand
    Patch patch;
};

/// Builds it. `material` lends its recordings and tunings. Of the stand before, knobs, and cables that somebody tied,
/// stay where their ends are still there; what is new is tied as usual. The wires of the view behind the panel are
/// those of the module.
Stand makeStand(const ModuleInfo& module, const Library& material, StandView view, const Stand* before = nullptr);

/// Wires as they are tied behind the panel of a stand's patch, part by part in the order of the module's parts.
std::vector<std::vector<InnerWire>> wiresOnStand(const Patch& patch, const ModuleInfo& module);

} // namespace lariat
