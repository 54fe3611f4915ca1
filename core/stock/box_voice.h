// A voice goes into a box: its module, the case that has it, and the patch that uses it, worked out together.
#pragma once

#include "building/box.h"
#include "library/workspace.h"

namespace lariat {

struct BoxedVoice {
    ModuleInfo module;
    Case housing; ///< with the box as its last slot
    Edits edits;
    std::string post; ///< the box in the patch
};

/// Everything but the doing. Refused, saying why: what boxOf refuses, a name that another module has, and a patch
/// without a case. A module that is the same already, as from a box that was taken back, is used again.
Result<BoxedVoice> boxedPosts(const Patch& patch, const Workspace& workspace, const std::set<std::string>& posts,
                              const std::string& name);
/// The same of all posts of a voice that may go into a box.
Result<BoxedVoice> boxedVoice(const Patch& patch, const Workspace& workspace, const std::string& voice,
                              const std::string& name);

} // namespace lariat
