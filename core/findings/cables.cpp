// Cables that are missing or too short: more than the case owns, or a stretch that the chosen one does not span.
#include "building/cable_way.h"
#include "findings/rules.h"

#include <algorithm>
#include <map>

namespace lariat {
namespace {

/// The way between two posts in cm; 0 if one has no place in the case.
double wayBetween(const Observation& o, const std::string& a, const std::string& b) {
    return cableWay(*o.housing, *o.library, o.patch.post(a)->slot, o.patch.post(b)->slot).value_or(0.0);
}

} // namespace

Findings findCables(const Observation& o) {
    Findings out;
    if (!o.housing) return out;
    std::map<std::pair<int, std::string>, int> used;
    int total = 0;
    for (const Cable& cable : o.patch.cables) {
        if (++total == o.housing->cableCount() + 1)
            out.push_back(
                {"cable-missing",
                 Severity::Mistake,
                 cable.id,
                 cable.to.post,
                 say("{} cables, {} are in the case", o.patch.cables.size(), o.housing->cableCount()),
                 say("From this row on there is no cable left. Stackable plugs and mults do not help: borrow some."),
                 {}});
        if (cable.lengthCm <= 0) continue;
        const int now = ++used[{cable.lengthCm, cable.colour}];
        int owned = 0;
        for (const CableStock& stock : o.housing->cables)
            if (stock.lengthCm == cable.lengthCm && stock.colour == cable.colour) owned = stock.count;
        const double way = wayBetween(o, cable.from.post, cable.to.post);
        const bool tooShort = way > cable.lengthCm;
        if (now <= owned && !tooShort) continue;
        Finding finding{tooShort ? "cable-too-short" : "cable-missing",
                        Severity::Mistake,
                        cable.id,
                        cable.to.post,
                        tooShort ? say("{} cm, about {:.0f} cm are needed", cable.lengthCm, way)
                                 : say("{} of {} cm {} used, {} are there", now, cable.lengthCm, cable.colour, owned),
                        tooShort ? say("{} and {} stand too far apart for this cable.", o.nameOf(cable.from.post),
                                       o.nameOf(cable.to.post))
                                 : say("The bag does not hold that many of this length and colour."),
                        {}};
        std::vector<CableStock> longer = o.housing->cables;
        std::ranges::sort(longer, {}, &CableStock::lengthCm);
        for (const CableStock& stock : longer) {
            const auto taken = std::ranges::count_if(o.patch.cables, [&](const Cable& c) {
                return c.lengthCm == stock.lengthCm && c.colour == stock.colour;
            });
            if (stock.lengthCm < way || taken >= stock.count) continue;
            finding.fixes.push_back({say("Take {} cm {}", stock.lengthCm, stock.colour),
                                     {DescribeCable{cable.id, cable.note, stock.lengthCm, stock.colour}}});
            break;
        }
        out.push_back(std::move(finding));
    }
    return out;
}

} // namespace lariat
