// A voice once more, from what the case has left.
#pragma once

#include "building/edits.h"
#include "library/library.h"

#include <string>

namespace lariat {

/// A voice once more under another name, from what the case has left: posts with their knobs and patterns, and all of
/// its cables; what comes in from outside the voice is split, what goes out of it goes to inputs that are free on the
/// same post. Fails with what is short, all of it.
Result<Edits> duplicateVoice(const Patch& patch, const Library& library, const Case* housing, const std::string& voice,
                             const std::string& newName);

} // namespace lariat
