// The envelopes of a patch: blocks that make a shape of every gate, wherever they stand.
#pragma once

#include "engine/envelope_shape.h"
#include "findings/walk.h"

namespace lariat {

struct Envelope {
    int node = -1;
    EnvelopeForm form{};
    const Way* gate = nullptr; ///< by which it is struck; nullptr: nothing is plugged in there
    Source out{};              ///< its first output that somebody hears and that is no gate
};
/// Those that somebody hears, in the order in which they run.
std::vector<Envelope> envelopesIn(const Walk& walk);
/// How what is in a way strikes.
struct Pace {
    double shortest = 0.0;  ///< seconds between two strikes
    std::vector<double> at; ///< seconds of all strikes
};
/// Nothing for fewer strikes than `fewest`.
std::optional<Pace> paceOf(const Walk& walk, const Way& gate, std::size_t fewest);

} // namespace lariat
