// Not in the case: the patch uses a module that this case does not have, or has in another place.
#include "building/capacity.h"
#include "building/nobody_knows.h"
#include "findings/rules.h"

#include <algorithm>

namespace lariat {

Findings findNotInCase(const Observation& o) {
    Findings out;
    if (!o.housing) {
        if (!o.patch.caseId.empty())
            out.push_back({"case-missing",
                           Severity::Caution,
                           0,
                           "",
                           say("{} is not here", o.patch.caseId),
                           say("The case of this patch is not among those that were found, or could not be read. What "
                               "is free in it, and whether all of this fits, is not known."),
                           {}});
        return out;
    }
    for (const Post& post : o.patch.posts) {
        if (isUnknownPart(post)) {
            out.push_back({"nobody-knows",
                           Severity::Note,
                           0,
                           post.id,
                           say("nobody knows what {} is", post.name),
                           say("What comes in leaves at every output, for want of better. Choose the part of the case "
                               "that it was, once that is clear."),
                           {}});
            continue;
        }
        const Slot* slot = o.housing->slot(post.slot);
        if (slot && slot->module == post.module) continue;
        const ModuleInfo* module = o.library->module(post.module);
        Finding finding{"not-in-case",
                        Severity::Mistake,
                        0,
                        post.id,
                        say("{} is not in {}", module ? module->description.name : post.module, o.housing->name),
                        say("{} cannot be built here as it is. It is simulated all the same.", post.name),
                        {}};
        // The same part elsewhere in the case, else one with the same jacks and knobs.
        const PartInfo& part = *o.library->part(post);
        const auto free = freeParts(o.patch, *o.library, o.housing);
        auto found = std::ranges::find_if(
            free, [&](const FreePart& f) { return f.slot->module == post.module && f.part->id == post.part; });
        if (found == free.end())
            found = std::ranges::find_if(free, [&](const FreePart& f) {
                return std::ranges::all_of(part.jacks,
                                           [&](const JackInfo& j) { return f.part->jack(j.id) != nullptr; }) &&
                       std::ranges::all_of(part.knobs,
                                           [&](const KnobInfo& k) { return f.part->knob(k.id) != nullptr; });
            });
        if (found != free.end())
            finding.fixes.push_back(
                {say("Let the free {} of {} stand in", found->part->name, found->module->description.name),
                 {SeatPost{post.id, found->slot->id, found->slot->module, found->part->id}}});
        out.push_back(std::move(finding));
    }
    return out;
}

} // namespace lariat
