// The test stand: a module that is being made, with keys that play, a clock, a test tone and a way out tied to whatever
// its jacks are for, so that it is heard as soon as it holds. Seen in two ways: as its panel, or behind the panel,
// where its blocks are the posts and its wires the rows.
#pragma once

#include "library/workspace.h"
#include "units/sentence.h"

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
/// those of the module. What the stand itself is called, `speak` says.
Stand makeStand(const ModuleInfo& module, const Library& material, StandView view, const Stand* before = nullptr,
                const Speaker& speak = inEnglish);

/// Behind the panel, a post that is a block of the module, and not one that plays it.
bool isBlockOnStand(const std::string& post);

/// One more block of that type for the part that is called so: a post that asOnStand makes a block of.
Post postFromShelf(const Patch& patch, const Library& library, const BlockType& type, const std::string& part);

/// The module as it was changed behind the panel of its stand: wires that were tied or taken out, posts from the shelf
/// as blocks of the part whose name they have as their voice, else of the first, posts that were taken out with all
/// that stands on the panel for them, and knobs that were turned. A part keeps its last block.
ModuleDescription asOnStand(const Patch& patch, const ModuleInfo& module);

} // namespace lariat
