// Knobs that do nothing as a patch stands: a builder need not turn them.
#pragma once

#include "library/library.h"
#include "units/sentence.h"

namespace lariat {

/// Why a knob does nothing here: nothing comes to the input that it scales, or the mode that is chosen has no use for
/// it. Empty if it does something, as far as is known.
Sentence whyIdle(const Patch& patch, const Post& post, const PartInfo& part, const KnobInfo& knob,
                 const Library& library);

} // namespace lariat
