// This plug breaks that normal: what came to an input behind the panel no longer does, and now leads nowhere.
#include "building/breaks.h"
#include "findings/rules.h"
#include "measure/measure.h"

#include <algorithm>

namespace lariat {

Findings findNormalBroken(const Observation& o) {
    Findings out;
    for (const Cable& cable : o.patch.cables) {
        Patch without = o.patch;
        std::erase_if(without.cables, [&](const Cable& c) { return c.id == cable.id; });
        for (const BrokenNormal& broken : brokenBy(without, *o.library, cable.to)) {
            if (broken.from == cable.from) continue; // the plug brings what was there anyway
            const bool leadsOn =
                std::ranges::any_of(o.patch.cables, [&](const Cable& c) { return c.from.post == broken.from.post; });
            // Only what was set up is missed: something drives it, and nothing else listens to it.
            const bool driven =
                std::ranges::any_of(o.patch.cables, [&](const Cable& c) { return c.to.post == broken.from.post; });
            if (leadsOn || !driven || broken.from.post == cable.to.post) continue;
            out.push_back({"normal-broken",
                           Severity::Caution,
                           cable.id,
                           cable.to.post,
                           say("{} no longer reaches {}", o.nameOf(broken.from.post), o.nameOf(broken.to.post)),
                           say("The plug of cable {} breaks the wire behind the panel, and nothing else listens to {}.",
                               o.patch.row(cable.id), o.nameOf(broken.from.post)),
                           {{say("Take the cable out"), {RemoveCable{cable.id}}}}});
            break;
        }
    }
    return out;
}

} // namespace lariat
