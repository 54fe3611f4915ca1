// What a recording of one output says of its module, to be kept in the module's own description: how wide an octave of
// its pitch input is, how loud the output, what DC and what noise are on it.
#pragma once

#include "ask/real.h"

namespace lariat {

/// Adds an offer to an answer to whether the real one is like this, if what was asked of is an output of a module and
/// differs by more than could be chance. Level, DC and noise are those of the recording's volts.
void offerCalibration(Answer& answer, const RealPair& pair, const Patch& patch, const Library& library,
                      const JackRef& at);

} // namespace lariat
