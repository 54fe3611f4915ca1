// A box: a whole instrument in one module. Posts of a patch become one part of a new module, their blocks wired behind
// its panel as their cables and normals were, so that it sounds as they did.
//
// A box refers to no other module: it holds what they were made of (a copy, as it stood), so that it travels alone and
// can never hold itself; a box in a box is its blocks. Behind its panel it is opened, seen as a chart and changed like
// every module (maker/stand.h).
#pragma once

#include "building/edits.h"
#include "library/library.h"

#include <map>
#include <set>
#include <string>

namespace lariat {

struct Box {
    ModuleDescription module;             ///< with one part, "box"
    std::map<JackRef, std::string> jacks; ///< of the posts, that lead out of the box: their ids on it
    std::map<std::pair<std::string, std::string>, std::string> knobs; ///< post and knob, that stand on it: their ids
    /// Normals that went out of or into the box behind panels; with the box they take a cable.
    std::vector<std::pair<JackRef, JackRef>> normals;
};

/// Posts of a voice that may go into a box; what plays notes, patterns and recordings of the patch, counts its beats or
/// leads out of the case stays beside it.
std::set<std::string> boxable(const Patch& patch, const Library& library, const std::string& voice);

/// Puts posts of a checked patch into a box. On its panel stand the jacks whose cables lead out of it, and the knobs
/// at the head of the posts, those that scenes and controllers turn, and buttons. Refused, saying why: a post that
/// plays what belongs to the patch (notes, patterns, recordings), a way out, and a cable inside whose jacks scale what
/// goes through it beyond what a wire can.
Result<Box> boxOf(const Patch& patch, const Library& library, const std::set<std::string>& posts,
                  const std::string& name);

/// The box in the place of its posts: its module stands in that slot. Cables that led out stay in their rows; scenes,
/// controllers and settings follow the knobs that stand on it.
Edits intoBox(const Patch& patch, const Library& library, const std::set<std::string>& posts, const Box& box,
              const std::string& slot);

} // namespace lariat
