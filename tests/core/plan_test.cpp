// Plans: recipes are read, allotted to cases, and become patches; what is short is told, with ways round.
#include "library/check.h"
#include "library/workspace.h"
#include "model/pattern_text.h"
#include "plan/keep.h"
#include "plan/plan.h"
#include "plan/programme.h"
#include "plan/stand_ins.h"
#include "support/cases.h"
#include "support/patches.h"
#include "timing/pattern_edits.h"

#include <QtTest>

#include <set>

using namespace lariat;
using namespace lariat::test;

namespace {

const Functions& functions() {
    static const Functions all = [] {
        auto read = Functions::load(dataFolder() / "functions.json");
        if (!read) throw std::runtime_error(read.error().text());
        return *read;
    }();
    return all;
}

Recipe recipeFrom(const std::string& body) {
    auto read = readRecipe(R"({"format": "lariat-recipe", "version": 1, "id": "r", "name": "R", )" + body + "}");
    if (!read) throw std::runtime_error(read.error().text());
    return *read;
}

std::string whyNot(const std::string& body) {
    const auto read = readRecipe(R"({"format": "lariat-recipe", "version": 1, "id": "r", "name": "R", )" + body + "}");
    return read ? std::string() : read.error().text();
}

/// A voice: an oscillator through a VCA under a contour, struck by a lane.
const char* kVoice = R"("roles": [
    {"id": "clock", "plays": "clock", "shared": true}, {"id": "hits", "plays": "lane"},
    {"id": "osc", "plays": "vco"}, {"id": "vca", "plays": "vca"}, {"id": "env", "plays": "contour"},
    {"id": "out", "plays": "way-out"}],
  "wishes": [{"id": "note", "name": "note", "kind": "note", "initial": "D2"}],
  "cables": [{"from": "osc.saw", "to": "vca.in"}, {"from": "vca.out", "to": "out.in"},
    {"from": "clock.sixteenths", "to": "hits.clock"}, {"from": "hits.hit", "to": "env.gate"},
    {"from": "env.out", "to": "vca.lin-cv"}],
  "knobs": [{"knob": "osc.tune", "to": "= note"}, {"knob": "env.type", "to": "AD"},
    {"knob": "env.decay", "to": "120 ms"}],
  "lines": [{"role": "hits", "steps": "x..."}])";

Site siteOf(const Case& housing, Patch present = {}) {
    present.caseId = housing.id;
    return {&workspace().library, &functions(), &housing, std::move(present)};
}

const Case& keepers() {
    return workspace().cases.at("keepers-case");
}

Planned planOf(const Recipe& recipe, const Site& site, AllotAsk ask = {}) {
    PlanAsk all{&recipe, {}, std::move(ask)};
    auto made = planRecipe(all, site);
    if (!made) throw std::runtime_error(made.error().text());
    return *made;
}

Result<Rendering> rendered(const Patch& patch, double seconds) {
    RenderOptions options;
    options.seconds = seconds;
    return render(patch, workspace().library, options);
}

/// Whether an output is wired to an input behind the panel: told from the module's description alone.
bool isWired(const Seat& from, const std::string& out, const Seat& to, const std::string& in) {
    if (from.slot != to.slot || from.part != to.part) return false;
    const auto a = from.point(out, true);
    const auto b = to.point(in, false);
    return a && b &&
           std::ranges::any_of(from.part->wires, [&](const WireInfo& w) { return w.from == *a && w.to == *b; });
}

} // namespace

class PlanTest : public QObject {
    Q_OBJECT

  private Q_SLOTS:
    void expressionsAreWorkedOut() {
        QCOMPARE(*evaluate("2 + 3 * 4", {}), 14.0);
        QCOMPARE(*evaluate("length * 0.5", {{"length", 0.3}}), 0.15);
        QVERIFY(std::abs(*evaluate("hz(69)", {}) - 440.0) < 1e-9);
        QVERIFY(std::abs(*evaluate("volts(72)", {}) - 1.0) < 1e-12);
        QVERIFY(std::abs(*evaluate("note_of(261.6255653)", {}) - 60.0) < 1e-6);
        QCOMPARE(evaluateAll({{"a", "b + 1"}, {"b", "2 * c"}}, {{"c", 3.0}})->at("a"), 7.0);
    }

    void expressionsThatMakeNoSenseAreTold() {
        QVERIFY(evaluate("1 / 0", {}).error().reason.str().find("divide by zero") != std::string::npos);
        QVERIFY(evaluate("length *", {{"length", 1.0}}).error().reason.str().find("cannot be worked out") !=
                std::string::npos);
        QVERIFY(!evaluate("nobody + 1", {}));
        QVERIFY(!evaluate(std::string(5000, '('), {}));
        const auto circle = evaluateAll({{"a", "b"}, {"b", "a + 1"}}, {});
        QVERIFY(circle.error().reason.str().find("a, b need each other in a circle") != std::string::npos);
        QVERIFY(evaluateAll({{"a", "missing"}}, {}).error().reason.str().find("missing") != std::string::npos);
    }

    void recipesAreReadAndWritten() {
        const Recipe recipe = recipeFrom(kVoice);
        QCOMPARE(recipe.roles.size(), std::size_t{6});
        const std::string once = writeRecipe(recipe);
        QCOMPARE(writeRecipe(*readRecipe(once)), once);
        for (const Recipe& shipped : loadRecipes(dataFolder()).recipes) {
            const std::string text = writeRecipe(shipped);
            QCOMPARE(writeRecipe(*readRecipe(text)), text);
        }
    }

    void faultyRecipesAreRefused() {
        QVERIFY(whyNot(R"("roles": [])").find("at least one role") != std::string::npos);
        QVERIFY(
            whyNot(R"("roles": [{"id": "a", "plays": "vco"}, {"id": "a", "plays": "vca"}])").find("there already") !=
            std::string::npos);
        QVERIFY(whyNot(R"("roles": [{"id": "a", "plays": "vco"}], "cables": [{"from": "a.saw", "to": "b.in"}])")
                    .find("no role \"b\"") != std::string::npos);
        QVERIFY(whyNot(R"("roles": [{"id": "a", "plays": "vco"}], "cables": [{"from": "asaw", "to": "a.in"}])")
                    .find("role.word") != std::string::npos);
        QVERIFY(
            whyNot(R"("roles": [{"id": "a", "plays": "vco", "when": {"school": "x"}}])").find("no wish \"school\"") !=
            std::string::npos);
        QVERIFY(
            whyNot(
                R"("wishes": [{"id": "n", "name": "n", "kind": "note", "initial": "H9"}], "roles": [{"id": "a", "plays": "vco"}])")
                .find("no note") != std::string::npos);
        QVERIFY(
            whyNot(
                R"("roles": [{"id": "a", "plays": "vco"}], "goals": [{"name": "g", "measure": "luck", "want": "1", "within": "1"}])")
                .find("none of") != std::string::npos);
        // What is only known once it is planned.
        const Site site = siteOf(keepers());
        PlanAsk ask;
        const Recipe nobody = recipeFrom(R"("roles": [{"id": "a", "plays": "teapot"}])");
        ask.recipe = &nobody;
        QVERIFY(planRecipe(ask, site).error().reason.str().find("no function \"teapot\"") != std::string::npos);
        const Recipe word = recipeFrom(
            R"("roles": [{"id": "a", "plays": "vco"}, {"id": "b", "plays": "vca"}], "cables": [{"from": "a.steam", "to": "b.in"}])");
        ask.recipe = &word;
        QVERIFY(planRecipe(ask, site).error().reason.str().find("no output \"steam\"") != std::string::npos);
        const Recipe zero =
            recipeFrom(R"("roles": [{"id": "a", "plays": "vco"}], "knobs": [{"knob": "a.width", "to": "= 1/0"}])");
        ask.recipe = &zero;
        QVERIFY(planRecipe(ask, site).error().reason.str().find("divide by zero") != std::string::npos);
        const Recipe words =
            recipeFrom(R"("roles": [{"id": "a", "plays": "vco"}], "knobs": [{"knob": "a.width", "to": "quite wide"}])");
        ask.recipe = &words;
        QVERIFY(!planRecipe(ask, site));
    }

    void wishesAreRead() {
        const Recipe recipe = recipeFrom(kVoice);
        QCOMPARE(wishValues(recipe, {})->at("note"), 38.0);
        QCOMPARE(wishValues(recipe, {{"note", "A3"}})->at("note"), 57.0);
        QVERIFY(wishValues(recipe, {{"note", "x"}}).error().reason.str().find("no note") != std::string::npos);
        QVERIFY(!wishValues(recipe, {{"colour", "red"}}));
    }

    void aPlanIsAPatchWithEveryCable() {
        const Recipe recipe = recipeFrom(kVoice);
        const Planned planned = planOf(recipe, siteOf(keepers()));
        QVERIFY(!planned.shortage);
        const Plan& plan = planned.plans.front();
        QVERIFY(plan.allotment.proven);
        QCOMPARE(plan.tied, 5);
        QCOMPARE(plan.after.cables.size(), std::size_t{5});
        const Post& osc = *plan.after.post(plan.posts.at("osc"));
        QCOMPARE(osc.knobs.at("octave"), 2.0);
        QCOMPARE(osc.knobs.at("fine"), 2.0);
        const Pattern* pattern = plan.after.pattern(plan.posts.at("hits"));
        QVERIFY(pattern && std::ranges::any_of(pattern->lanes, [](const Lane& lane) {
                    return lane.hits.size() == 4 && lane.hits[0] == Hit::Hit && lane.hits[1] == Hit::Rest;
                }));
        for (const PlannedCable& cable : plan.cables) {
            QVERIFY(cable.taken.lengthCm > 0);
            QVERIFY(cable.taken.lengthCm >= cable.needs);
        }
        // Nothing is wrong with it.
        for (const Finding& finding : findingsIn(plan.after))
            QVERIFY2(finding.severity != Severity::Mistake, (finding.rule + ": " + finding.figure.str()).c_str());
    }

    /// The solver against every assignment there is: fewest cables, and fewest modules.
    void theBestAllotmentIsFound() {
        const Recipe recipe =
            recipeFrom(R"("roles": [{"id": "osc", "plays": "vco"}, {"id": "filter", "plays": "ladder"},
            {"id": "vca", "plays": "vca"}, {"id": "env", "plays": "contour"}],
          "cables": [{"from": "osc.saw", "to": "filter.in"}, {"from": "filter.four", "to": "vca.in"},
            {"from": "env.out", "to": "vca.lin-cv"}])");
        for (const auto& modules : std::vector<std::vector<std::string>>{
                 {"dinghy-voice", "anchor-vco", "hawser-ladder", "ballast-vcas", "lantern-contours"},
                 {"anchor-vco", "keel-vco-pair", "hawser-ladder", "twin-hull-vca", "cask-drum", "sextant-contour"},
                 {"dinghy-voice", "dinghy-voice", "cask-drum"}}) {
            const Case housing = caseOf("tiny", 4, 84, modules);
            const Site site = siteOf(housing);
            std::vector<std::vector<Seat>> seats;
            for (const Role& role : recipe.roles)
                seats.push_back(seatsOf(*functions().find(role.plays), workspace().library, housing));
            int fewestTies = 1000;
            int fewestModules = 1000;
            std::vector<const Seat*> now(recipe.roles.size());
            const std::function<void(std::size_t)> each = [&](std::size_t r) {
                if (r < recipe.roles.size()) {
                    for (const Seat& seat : seats[r]) {
                        if (seat.provider->standsIn()) continue;
                        if (std::any_of(now.begin(), now.begin() + static_cast<long>(r),
                                        [&](const Seat* other) { return other->key() == seat.key(); }))
                            continue;
                        now[r] = &seat;
                        each(r + 1);
                    }
                    return;
                }
                int ties = 0;
                std::set<std::string> slots;
                for (const Seat* seat : now) slots.insert(seat->slot);
                for (const RecipeCable& cable : recipe.cables) {
                    const auto of = [&](const std::string& role) {
                        return now[static_cast<std::size_t>(std::ranges::find(recipe.roles, role, &Role::id) -
                                                            recipe.roles.begin())];
                    };
                    const Seat& from = *of(cable.from.role);
                    const Seat& to = *of(cable.to.role);
                    if (isWired(from, cable.from.word, to, cable.to.word)) continue;
                    if (!from.jack(cable.from.word, true) || !to.jack(cable.to.word, false)) return; // not to be tied
                    ++ties;
                }
                fewestTies = std::min(fewestTies, ties);
                fewestModules = std::min(fewestModules, static_cast<int>(slots.size()));
            };
            each(0);
            const auto byCables = allot(recipe, site);
            QVERIFY(byCables);
            if (fewestTies == 1000) {
                QVERIFY(!byCables->complete() || byCables->standIns() > 0);
                continue;
            }
            QVERIFY(byCables->complete() && byCables->proven);
            // A normal between parts saves one more than wires within a part do.
            QVERIFY2(byCables->ties() <= fewestTies, qPrintable(QString::number(byCables->ties())));
            QVERIFY(byCables->ties() >= fewestTies - 3);
            AllotAsk ask;
            ask.counts = Counts::Modules;
            const auto byModules = allot(recipe, site, ask);
            QVERIFY(byModules && byModules->complete());
            QCOMPARE(byModules->modules(), fewestModules);
        }
    }

    void programmesAreSolvedToTheirOptimum() {
        // Weights and worth of a knapsack, against all subsets.
        const std::vector<double> weight = {5, 4, 6, 3, 7, 2}, worth = {10, 7, 13, 5, 14, 3};
        Programme programme;
        Programme::Sum sum;
        std::vector<int> take;
        for (std::size_t i = 0; i < weight.size(); ++i) {
            take.push_back(programme.choice(-worth[i]));
            sum.emplace_back(take.back(), weight[i]);
        }
        programme.limit(sum, -Programme::kAny, 14.0);
        double best = 0.0;
        for (unsigned set = 0; set < 64; ++set) {
            double w = 0.0, v = 0.0;
            for (std::size_t i = 0; i < 6; ++i)
                if (set >> i & 1u) {
                    w += weight[i];
                    v += worth[i];
                }
            if (w <= 14.0) best = std::max(best, v);
        }
        const auto solved = programme.solve(5.0);
        QVERIFY(solved && solved->proven);
        QCOMPARE(solved->cost, -best);
        Programme none;
        const int a = none.choice(1.0);
        none.limit({{a, 1.0}}, 2.0, 3.0);
        QVERIFY(!none.solve(1.0));
    }

    /// That time ran out is no proof that something is short.
    void timeThatRanOutProvesNothing() {
        const Recipe large = *loadRecipes(dataFolder()).find("four-note-keys");
        const Recipe now = chosen(large, *wishValues(large, {}));
        AllotAsk ask;
        ask.seconds = 0.001;
        const auto hurried = allot(now, siteOf(workspace().cases.at("tower-case")), ask);
        QVERIFY(hurried);
        QVERIFY(hurried->complete() || !hurried->isShort());
        PlanAsk all;
        all.recipe = &large;
        all.allot.seconds = 0.001;
        const auto planned = planRecipe(all, siteOf(workspace().cases.at("tower-case")));
        QVERIFY(!planned ? planned.error().reason.str().find("time ran out") != std::string::npos
                         : !planned->shortage.has_value());
        // What is missing is, however little time there is to say so.
        const auto missing = allot(now, siteOf(workspace().cases.at("keepers-case")));
        QVERIFY(missing && missing->isShort());
    }

    void oneSeatOneRole() {
        const Recipe recipe = recipeFrom(kVoice);
        for (const Case& housing : heldBackCases()) {
            const auto allotment = allot(recipe, siteOf(housing));
            QVERIFY(allotment);
            std::set<std::string> keys;
            for (const Casting& cast : allotment->castings)
                if (cast.seat && !cast.seat->provider->leadsOut) QVERIFY(keys.insert(cast.seat->key()).second);
        }
    }

    /// Nothing stands in as long as the thing itself is free; then something does, at its price.
    void standInsAreForNeedOnly() {
        const Recipe recipe = recipeFrom(kVoice);
        const Case& single = heldBackCases()[2]; // has no VCA but gates, rings and a mixer with level CV
        QCOMPARE(single.id, std::string("single-vca"));
        const Planned planned = planOf(recipe, siteOf(single));
        QVERIFY(!planned.shortage);
        const Casting& vca = *planned.plans.front().allotment.of("vca");
        QVERIFY(vca.seat->provider->standsIn());
        QVERIFY(!vca.seat->provider->because.empty());
        AllotAsk without;
        without.standIns = false;
        QVERIFY(planOf(recipe, siteOf(single), without).shortage);
        const Planned plain = planOf(recipe, siteOf(keepers()));
        for (const Casting& cast : plain.plans.front().allotment.castings)
            QVERIFY2(!cast.seat->provider->standsIn(), cast.role.c_str());
    }

    /// A mixer channel under its level CV is a VCA whose sound has left already.
    void aMixerChannelStandsIn() {
        Case housing =
            caseOf("mixer-only", 3, 84,
                   {"bosun-clock", "logbook-tracks", "anchor-vco", "sextant-contour", "bridge-mixer", "harbour-out"});
        const Recipe recipe = recipeFrom(kVoice);
        const Planned planned = planOf(recipe, siteOf(housing));
        QVERIFY(!planned.shortage);
        const Plan& plan = planned.plans.front();
        QCOMPARE(plan.allotment.of("vca")->seat->provider->block, std::string("stereo-mixer"));
        QCOMPARE(plan.allotment.of("vca")->seat->key(), plan.allotment.of("out")->seat->key());
        QVERIFY(findingsIn(plan.after, "no-sound").empty());
        const auto run = rendered(plan.after, 1.0);
        QVERIFY(run && *std::ranges::max_element(run->left) > 0.5f);
    }

    void whatIsShortIsToldWithWaysRound() {
        const Recipe recipe =
            recipeFrom(R"("roles": [{"id": "noise", "plays": "noise"}, {"id": "hits", "plays": "lane"},
            {"id": "a", "plays": "vca"}, {"id": "b", "plays": "vca"}, {"id": "c", "plays": "vca"}],
          "cables": [{"from": "noise.white", "to": "a.in"}, {"from": "hits.hit", "to": "a.lin-cv"},
            {"from": "noise.white", "to": "b.in"}, {"from": "hits.hit", "to": "b.lin-cv"}, {"from": "noise.white", "to": "c.in"}])");
        // The demo uses two of four.
        const Planned planned = planOf(recipe, siteOf(keepers(), lamp()));
        QVERIFY(planned.shortage);
        const Shortage& shortage = *planned.shortage;
        QCOMPARE(shortage.functions.size(), std::size_t{1});
        QCOMPARE(shortage.functions[0].function, std::string("VCA"));
        QCOMPARE(shortage.functions[0].needs, 3);
        QCOMPARE(shortage.functions[0].there, 4);
        QCOMPARE(shortage.functions[0].usedBy.size(), std::size_t{2});
        const auto has = [&](WayRound::Kind kind) {
            return std::ranges::any_of(shortage.ways, [&](const WayRound& way) { return way.kind == kind; });
        };
        QVERIFY(has(WayRound::Kind::Shared));
        QVERIFY(has(WayRound::Kind::GoesStraight));
        int last = 0;
        for (const WayRound& way : shortage.ways) {
            if (!way.plan) continue;
            QVERIFY(way.moves >= last);
            last = way.moves;
            // Its edits lead from the present patch to what it promises.
            const auto after = applyEdits(lamp(), way.plan->edits);
            QVERIFY(after && checkPatch(*after, workspace().library));
            QCOMPARE(*after, way.plan->after);
        }
    }

    void cablesThatStayAreNoMoves() {
        const Recipe kept = *keepAsRecipe(lamp(), workspace().library, functions(), {"Lead", "lead", "Lead", "Yours"});
        AllotAsk ask;
        ask.counts = Counts::Moves;
        ask.instead = "Lead";
        const Planned planned = planOf(kept, siteOf(keepers(), lamp()), ask);
        QVERIFY(!planned.shortage);
        // The same voice in its own place: nearly everything stays.
        QVERIFY2(planned.plans.front().tied <= 1, qPrintable(QString::number(planned.plans.front().tied)));
        QVERIFY(planned.plans.front().stays >= 8);
    }

    /// Steps that somebody has written and not tied yet are nobody's to write over.
    void whatIsWrittenIsNotWrittenOver() {
        const Recipe recipe = recipeFrom(kVoice);
        Patch present = planOf(recipe, siteOf(keepers())).plans.front().after;
        Pattern pattern = *present.patterns.front();
        pattern.lanes.resize(4);
        for (Lane& lane : pattern.lanes)
            if (lane.hits.empty() || std::ranges::count(lane.hits, Hit::Hit) == 0) lane.hits.assign(3, Hit::Accent);
        present.patterns.front() = Shared<Pattern>(pattern);
        for (const Planned& planned : {planOf(recipe, siteOf(keepers(), present))})
            for (const Plan& plan : planned.plans) {
                const Pattern& after = *plan.after.patterns.front();
                for (std::size_t i = 0; i < 4; ++i) QCOMPARE(after.lanes[i].hits, pattern.lanes[i].hits);
            }
    }

    /// What a recipe says of a row is read where it is built.
    void rowsSayWhatToExpect() {
        Recipe recipe = recipeFrom(kVoice);
        recipe.cables[0].note = "Straight in.";
        recipe.cables[0].check = "Nothing yet.";
        const Planned planned = planOf(recipe, siteOf(keepers()));
        QCOMPARE(planned.plans.front().after.cables.front().note, std::string("Straight in. Nothing yet."));
    }

    void plansDifferInWhatPlaysARole() {
        const Recipe recipe = recipeFrom(kVoice);
        const Planned planned = planOf(recipe, siteOf(workspace().cases.at("tower-case")));
        QVERIFY(planned.plans.size() == 3);
        std::set<std::vector<std::string>> kinds;
        for (const Plan& plan : planned.plans) QVERIFY(kinds.insert(plan.allotment.kind()).second);
    }

    /// A second voice beside one that goes straight to the way out: a mixer comes between.
    void aMixerComesBetween() {
        const Recipe recipe = recipeFrom(kVoice);
        const Case& tower = workspace().cases.at("tower-case");
        const Plan first = planOf(recipe, siteOf(tower)).plans.front();
        const Planned second = planOf(recipe, siteOf(tower, first.after));
        QVERIFY(!second.shortage);
        const Patch& both = second.plans.front().after;
        const auto run = rendered(both, 1.0);
        QVERIFY(run);
        QVERIFY(findingsIn(both, "no-sound").empty());
        QVERIFY(findingsIn(both, "no-path").empty());
        QVERIFY(second.plans.front().taken >= 1);
    }

    void aLargeCaseIsPlannedInBounds() {
        std::vector<std::string> many;
        for (int i = 0; i < 125; ++i)
            for (const char* module : {"ballast-vcas", "lantern-contours", "anchor-vco", "skerry-filter"})
                many.emplace_back(module);
        many.insert(many.begin(), {"bosun-clock", "logbook-tracks", "harbour-out", "gangway-mixer"});
        const Case huge = caseOf("huge", 16, 512, many);
        QVERIFY(huge.slots.size() >= 500);
        AllotAsk ask;
        ask.seconds = 1.0;
        const auto allotment = allot(recipeFrom(kVoice), siteOf(huge), ask);
        QVERIFY(allotment && allotment->complete());
        QVERIFY(allotment->bound <= allotment->cost + 1e-9);
        const Case empty = caseOf("empty", 1, 84, {});
        QVERIFY(planOf(recipeFrom(kVoice), siteOf(empty)).shortage);
        Case noCables = keepers();
        noCables.cables.clear();
        const auto none = allot(recipeFrom(kVoice), siteOf(noCables));
        QVERIFY(!none || !none->complete());
    }

    /// A voice that is kept and planned again in the same case sounds as before.
    void whatIsKeptSoundsTheSame() {
        for (const auto& [file, voice] :
             {std::pair{"kick.json", "Kick A"}, {"landfall.json", "Bass"}, {"lamp.json", "Kick"}}) {
            const Patch before = demo(file);
            const Recipe kept =
                *keepAsRecipe(before, workspace().library, functions(), {voice, "kept", "Kept", "Yours"});
            const Planned planned = planOf(kept, siteOf(*workspace().housing(before)));
            QVERIFY2(!planned.shortage, file);
            const auto run = rendered(planned.plans.front().after, 3.0);
            QVERIFY(run);
            QVERIFY2(*std::ranges::max_element(run->left) > 0.3f, file);
        }
        QVERIFY(!keepAsRecipe(lamp(), workspace().library, functions(), {"Nobody", "x", "X", "Y"}));
    }

    /// Pressure, controllers and what is off the grid come along as they were played.
    void whatWasPlayedByHandIsKept() {
        const Patch before = demo("vowel-voice.json");
        const auto kept = keepAsRecipe(before, workspace().library, functions(), {"", "vowel", "Vowel", "Yours"});
        QVERIFY(kept);
        QCOMPARE(kept->played.size(), std::size_t{2});
        auto again = readRecipe(writeRecipe(*kept));
        QVERIFY2(again, again ? "" : again.error().text().c_str());
        QCOMPARE(writeRecipe(*again), writeRecipe(*kept));
        const Planned planned = planOf(*again, siteOf(*workspace().housing(before)));
        QVERIFY(!planned.shortage);
        const Patch& after = planned.plans.front().after;
        QCOMPARE(after.performances.size(), before.performances.size());
        for (const auto& was : before.performances)
            QVERIFY(std::ranges::any_of(after.performances, [&](const auto& one) {
                return one->messages == was->messages && one->lengthBeats == was->lengthBeats;
            }));
        // Transposed, notes move and controllers stay.
        Recipe higher = *again;
        for (RecipePlayed& one : higher.played) one.transpose = "12";
        const Patch up = planOf(higher, siteOf(*workspace().housing(before))).plans.front().after;
        const auto find = [](const Patch& patch, int kind) {
            for (const auto& performance : patch.performances)
                for (const PlayedMessage& one : performance->messages)
                    if (one.message.kind() == kind) return one.message;
            return MidiMessage{};
        };
        QCOMPARE(find(up, 0x90).data1, std::uint8_t(find(after, 0x90).data1 + 12));
        QVERIFY(find(up, 0xD0) == find(after, 0xD0));
        QVERIFY(find(up, 0xB0) == find(after, 0xB0));
        Recipe wrong = *again;
        wrong.played.front().transpose = "nothing";
        QVERIFY(!planRecipe({&wrong, {}, {}, {}, 1}, siteOf(*workspace().housing(before))));
        QVERIFY(whyNot(R"("roles": [{"id": "a", "plays": "keys"}], "played": [{"role": "b", "messages": []}])")
                    .find("no role \"b\"") != std::string::npos);
    }

    /// Variations, directions and swing of a line are kept, and a new voice plays in the variations of the others too.
    void linesAreKeptInAllVariations() {
        Patch before = demo("snare-and-hats.json");
        Pattern pattern = *before.patterns.front();
        Lane& lane = laneAt(pattern, 0, 0);
        lane.stride.swing = 0.62;
        lane.stride.direction = Direction::Pendulum;
        laneAt(pattern, 1, 0).hits = *readHits("x.x.");
        before.patterns.front() = Shared<Pattern>(pattern);
        const auto kept = keepAsRecipe(before, workspace().library, functions(), {"", "all", "All", "Yours"});
        QVERIFY(kept);
        const auto again = readRecipe(writeRecipe(*kept));
        QVERIFY(again);
        const Patch after = planOf(*again, siteOf(*workspace().housing(before))).plans.front().after;
        const Pattern& now = *after.patterns.front();
        QCOMPARE(now.others.size(), pattern.others.size());
        const auto there = [&](int variation, const Lane& wanted) {
            return std::ranges::any_of(now.lanesOf(variation), [&](const Lane& one) {
                return one.hits == wanted.hits && one.stride == wanted.stride;
            });
        };
        for (int variation : {0, 1}) QVERIFY(there(variation, pattern.lanesOf(variation).front()));
        // A voice that says nothing of B plays there what it plays in A.
        const Planned more = planOf(recipeFrom(kVoice), siteOf(*workspace().housing(before), after));
        QVERIFY(!more.shortage);
        const Patch& both = more.plans.front().after;
        const Pattern& with = *both.patterns.front();
        const auto fresh = std::ranges::find(with.lanes, more.plans.front().voice, &Lane::name);
        QVERIFY(fresh != with.lanes.end());
        const auto at = static_cast<std::size_t>(fresh - with.lanes.begin());
        QCOMPARE(with.lanesOf(1)[at].hits, fresh->hits);
    }

    /// A quantizer's own sequence is a line of its recipe.
    void aQuantizersSequenceIsKept() {
        const Patch before = demo("quantizer.json");
        const auto kept = keepAsRecipe(before, workspace().library, functions(), {"", "tune", "Tune", "Yours"});
        QVERIFY(kept);
        const Patch after = planOf(*kept, siteOf(*workspace().housing(before))).plans.front().after;
        QCOMPARE(after.patterns.size(), std::size_t{1});
        QCOMPARE(after.patterns.front()->tracks.front().steps, before.patterns.front()->tracks.front().steps);
    }

    /// What plans write into a patch can be said in another language; what is worked with stays.
    void recipesAreSaidInOtherWords() {
        Recipe recipe = recipeFrom(kVoice);
        recipe.cables[0].step = "make it sound";
        recipe.cables[0].note = "Straight in.";
        recipe.roles[2].name = "Osc";
        const Recipe said = inWords(recipe, [](const std::string& text) { return "<" + text + ">"; });
        QCOMPARE(said.cables[0].step, std::string("<make it sound>"));
        QCOMPARE(said.cables[0].note, std::string("<Straight in.>"));
        QCOMPARE(said.roles[2].name, std::string("<Osc>"));
        QVERIFY(said.cables[0].check.empty());
        QCOMPARE(said.roles[2].id, recipe.roles[2].id);
        const Plan plan = planOf(said, siteOf(keepers())).plans.front();
        QCOMPARE(plan.after.cables.front().step, std::string("<make it sound>"));
    }

    /// In a case without some of its kinds a patch is played by what stands in: rows and voices as they were.
    void whatIsMissingInAnotherCaseIsPlayedByOthers() {
        const Patch before = demo("first-voice.json");
        const std::vector<std::string> common = {"harbour-out", "hawser-ladder", "anchor-vco", "signal-keys",
                                                 "swell-lfo"};
        auto with = common;
        with.insert(with.end(), {"glow-gates", "related-functions"});
        std::vector<std::string> there;
        for (const std::string& id : with)
            if (workspace().library.module(id)) there.push_back(id);
        // A low-pass gate for the VCA, a function generator for the contour.
        for (const auto& [id, module] : workspace().library.modules())
            for (const PartInfo& part : module.parts)
                if ((part.has("low-pass-gate") || part.has("function-generator")) && std::ranges::count(there, id) == 0)
                    there.push_back(id);
        const Case other = caseOf("other", 4, 168, there);
        const auto plain = rehouse(before, workspace().library, other);
        QVERIFY(plain && plain->missing.size() == 2);
        const auto housed = rehouseWithStandIns(before, workspace().library, functions(), other);
        QVERIFY2(housed, housed ? "" : housed.error().text().c_str());
        QCOMPARE(housed->standIns.size(), std::size_t{2});
        QVERIFY(housed->moved.missing.empty());
        QCOMPARE(housed->moved.cablesLost, 0);
        for (const StandIn& one : housed->standIns) QVERIFY(!one.by.empty() && !one.because.empty());
        const Patch& after = housed->moved.patch;
        QVERIFY(checkPatch(after, workspace().library));
        QCOMPARE(after.cables.size(), before.cables.size());
        for (std::size_t i = 0; i < before.cables.size(); ++i) {
            QCOMPARE(after.cables[i].id, before.cables[i].id);
            QCOMPARE(after.cables[i].voice, before.cables[i].voice);
            QCOMPARE(after.cables[i].step, before.cables[i].step);
        }
        for (const Post& post : before.posts)
            QVERIFY(std::ranges::any_of(
                after.posts, [&](const Post& one) { return one.name == post.name && one.voice == post.voice; }));
        // It is heard, and how far from here was measured.
        const auto run = rendered(after, 3.0);
        QVERIFY(run && *std::ranges::max_element(run->left) > 0.1f);
        QVERIFY(housed->apart > 0.0 && housed->apart < 40.0);
        // Nothing to stand in: as without.
        const auto none = rehouseWithStandIns(before, workspace().library, functions(), caseOf("bare", 2, 168, common));
        QVERIFY(none && none->standIns.empty());
        QCOMPARE(none->moved.missing.size(), std::size_t{2});
        QVERIFY(none->moved.cablesLost > 0);
        int asked = 0;
        QVERIFY(
            !rehouseWithStandIns(before, workspace().library, functions(), other, [&](double) { return ++asked < 3; }));
    }

    void whatMayVaryIsWished() {
        const Patch& patch = lamp();
        KeepAsk ask{"Kick", "my-kick", "My kick", "Yours", {}};
        const auto contour = std::ranges::find_if(patch.posts, [&](const Post& post) {
            const PartInfo* part = workspace().library.part(post);
            return post.voice == "Kick" && part->has("contour");
        });
        QVERIFY(contour != patch.posts.end());
        ask.vary = {{contour->id, "decay"}, {contour->id, "type"}};
        const auto kept = keepAsRecipe(patch, workspace().library, functions(), ask);
        QVERIFY(kept);
        QVERIFY(readRecipe(writeRecipe(*kept)));
        const auto wished = [&](Wish::Kind kind) {
            const auto it = std::ranges::find(kept->wishes, kind, &Wish::kind);
            return it == kept->wishes.end() ? std::string() : it->id;
        };
        QVERIFY(!wished(Wish::Kind::Seconds).empty() && !wished(Wish::Kind::Choice).empty());
        const Site site = siteOf(keepers());
        auto planned = planRecipe(
            {&*kept, {{wished(Wish::Kind::Seconds), "77 ms"}, {wished(Wish::Kind::Choice), "AR"}}, {}}, site);
        QVERIFY(planned && !planned->plans.empty());
        const Patch& after = planned->plans.front().after;
        QVERIFY(std::ranges::any_of(after.posts, [](const Post& post) {
            const auto knob = post.knobs.find("decay");
            return knob != post.knobs.end() && std::abs(knob->second - 0.077) < 1e-9;
        }));
        ask.vary = {{contour->id, "nothing"}};
        QVERIFY(!keepAsRecipe(patch, workspace().library, functions(), ask));
        ask.vary = {{"nobody", "decay"}};
        QVERIFY(!keepAsRecipe(patch, workspace().library, functions(), ask));
    }
};

QTEST_APPLESS_MAIN(PlanTest)
#include "plan_test.moc"
