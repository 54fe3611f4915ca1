#include "support/cases.h"

#include "stock/case_edits.h"
#include "support/patches.h"

#include <stdexcept>

namespace lariat::test {

Case caseOf(const std::string& id, int rows, int hp, const std::vector<std::string>& modules) {
    auto housing = newCase(id, rows, hp, {8000, 7000, 2000});
    for (const std::string& module : modules) {
        if (!housing) break;
        housing = withModule(std::move(*housing), workspace().library, module);
    }
    if (!housing) throw std::runtime_error(housing.error().text());
    housing->cables = {{20, "grey", 20}, {30, "blue", 20}, {50, "red", 20}, {80, "black", 20}, {120, "white", 20}};
    return *housing;
}

const std::vector<Case>& heldBackCases() {
    static const std::vector<Case> cases = [] {
        std::vector<std::string> everything;
        for (const auto& [id, module] : workspace().library.modules()) everything.push_back(id);
        std::vector<Case> out;
        out.push_back(caseOf("small", 2, 84,
                             {"beacon-clock", "watch-tracks", "anchor-vco", "lantern-contours", "skerry-filter",
                              "ballast-vcas", "gangway-mixer", "harbour-out", "spray-noise", "swell-lfo"}));
        out.push_back(caseOf("large", 6, 168, everything));
        out.push_back(caseOf("single-vca", 3, 84,
                             {"bosun-clock", "logbook-tracks", "galleon-vco", "anchor-vco", "sextant-contour",
                              "tidemark-functions", "hawser-ladder", "crosswind-rings", "mussel-gates", "swell-lfo",
                              "bridge-mixer", "harbour-out", "spray-noise", "tern-level"}));
        out.back() = *withModule(out.back(), workspace().library, "keelson-rectifier");
        out.push_back(caseOf("whole-voices", 3, 84,
                             {"bosun-clock", "logbook-tracks", "dinghy-voice", "dinghy-voice", "cask-drum", "cask-drum",
                              "gangway-mixer", "harbour-out"}));
        out.push_back(caseOf("no-mixer", 3, 104,
                             {"bosun-clock", "logbook-tracks", "keel-vco-pair", "anchor-vco", "lantern-contours",
                              "lantern-contours", "skerry-filter", "ballast-vcas", "twin-hull-vca", "signal-keys",
                              "harbour-out", "spray-noise", "swell-lfo"}));
        Case skiff =
            caseOf("skiff", 1, 104,
                   {"beacon-clock", "watch-tracks", "anchor-vco", "lantern-contours", "ballast-vcas", "harbour-out"});
        skiff = *withBorrowed(skiff, "anchor-vco", "the harbour master", "2026-11-03");
        out.push_back(skiff);
        return out;
    }();
    return cases;
}

} // namespace lariat::test
