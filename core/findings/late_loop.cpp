// A loop closed by one sample: Lariat's own limit, said openly.
#include "findings/rules.h"

namespace lariat {

Findings findLateLoop(const Observation& o) {
    Findings out;
    for (const LateCable& late : o.recorded.lateCables) {
        const Cable* cable = o.patch.cable(late.cable);
        if (!cable) continue;
        out.push_back(
            {"late-loop",
             Severity::Note,
             cable->id,
             cable->to.post,
             say("one sample late, {:.1f} µs", 1e6 / o.rate()),
             say("This cable closes a loop. On metal the signal comes round at once; here it takes one sample, "
                 "which shifts phases above some 5 kHz."),
             {}});
    }
    return out;
}

} // namespace lariat
