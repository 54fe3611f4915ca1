// Splitting an output: the ways there are, and what each costs.
#pragma once

#include "building/edits.h"
#include "library/library.h"

#include <string>

namespace lariat {

/// One way of bringing an output to one more input.
struct Split {
    enum class Way { Copy, Mult, Stack } way = Way::Stack;
    std::string with;        ///< the part that makes the copy; empty for a stack
    double sagPerVolt = 0.0; ///< part of the voltage that each input loses in the real case
    int cables = 1;          ///< cables that it takes
    Edits edits;
};
/// Ways to split an output, the cleanest first: a jack that carries the same signal and is free; a mult that is in use
/// and has a jack left, or one that the case has left; a stacked plug.
std::vector<Split> waysToSplit(const Patch& patch, const Library& library, const Case* housing, const JackRef& output,
                               const JackRef& input);

} // namespace lariat
