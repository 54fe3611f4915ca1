#include "findings/envelopes.h"

#include "measure/measure.h"

#include <algorithm>

namespace lariat {

std::vector<Envelope> envelopesIn(const Walk& walk) {
    std::vector<Envelope> found;
    for (int n = 0; n < walk.map.nodeCount(); ++n) {
        const Node& node = walk.map.node(n);
        const auto form = envelopeForm(*node.type, node.controls);
        if (!form) continue;
        Envelope one{n, *form, nullptr, {n, -1, 0}};
        for (const Way& way : walk.map.ways(n))
            if (way.does == Does::Strikes && walk.map.feeding(way).node >= 0 && !one.gate) one.gate = &way;
        // Its first output that is no gate, and that somebody hears.
        for (std::size_t output = 0; output < node.type->outputs.size() && one.out.output < 0; ++output)
            if (node.heard[output] && node.type->outputs[output].kind == SignalKind::Control)
                one.out.output = static_cast<int>(output);
        if (one.out.output >= 0) found.push_back(one);
    }
    return found;
}

std::optional<Pace> paceOf(const Walk& walk, const Way& gate, std::size_t fewest) {
    Pace pace{1e9, risingEdges(walk.volts(gate), walk.o.rate())};
    if (pace.at.size() < fewest) return std::nullopt;
    for (std::size_t i = 1; i < pace.at.size(); ++i)
        pace.shortest = std::min(pace.shortest, pace.at[i] - pace.at[i - 1]);
    return pace;
}

} // namespace lariat
