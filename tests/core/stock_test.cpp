// Stock: what a case can do and what is left, what is done to a case, and patches that change their case.
#include "building/assign.h"
#include "building/rehouse.h"
#include "building/voice.h"
#include "library/check.h"
#include "library/workspace.h"
#include "model/file.h"
#include "stock/case_edits.h"
#include "stock/ledger.h"
#include "support/cases.h"
#include "support/patches.h"

#include <QtTest>

#include <QTemporaryDir>

#include <numeric>
#include <random>

using namespace lariat;
using namespace lariat::test;

namespace {

const Library& library() {
    return workspace().library;
}
const Functions& functions() {
    static const Functions all = *Functions::load(dataFolder() / "functions.json");
    return all;
}
const Case& keepers() {
    return workspace().cases.at("keepers-case");
}
const LedgerLine* lineOf(const Ledger& ledger, const std::string& function) {
    const auto it = std::ranges::find_if(ledger.lines, [&](const LedgerLine& l) { return l.function->id == function; });
    return it == ledger.lines.end() ? nullptr : &*it;
}

} // namespace

class StockTest : public QObject {
    Q_OBJECT

  private Q_SLOTS:
    void casesAreJoined() {
        const Case& tower = workspace().cases.at("tower-case");
        const auto both = joinedCase(keepers(), tower, "Both cases");
        QVERIFY(both);
        QVERIFY(fitCase(*both, library()));
        QCOMPARE(both->slots.size(), keepers().slots.size() + tower.slots.size());
        QCOMPARE(both->rows, keepers().rows + tower.rows);
        QCOMPARE(both->cableCount(), keepers().cableCount() + tower.cableCount());
        for (const Slot& slot : keepers().slots) QVERIFY(*both->slot(slot.id) == slot);
        // A patch in the first is one in both, with more left.
        Patch patch = lamp();
        patch.caseId = both->id;
        const Ledger alone = ledgerOf(lamp(), library(), functions(), keepers());
        const Ledger together = ledgerOf(patch, library(), functions(), *both);
        QCOMPARE(together.partsUsed, alone.partsUsed);
        QVERIFY(lineOf(together, "vca")->free() > lineOf(alone, "vca")->free());
        // Each supply has its own load.
        QCOMPARE(together.rails.size(), std::size_t{6});
        for (std::size_t i = 0; i < 3; ++i) {
            QCOMPARE(together.rails[i].load, alone.rails[i].load);
            QCOMPARE(together.rails[i].there, alone.rails[i].there);
            QCOMPARE(together.rails[i].of, keepers().name);
            QCOMPARE(together.rails[3 + i].there, i == 0   ? tower.supply.plus12
                                                  : i == 1 ? tower.supply.minus12
                                                           : tower.supply.plus5);
        }
        const auto read = readCase(writeCase(*both));
        QVERIFY(read);
        QVERIFY(*read == *both);
        // Three are the same as two and one.
        const auto three = joinedCase(*both, keepers(), "Three");
        QVERIFY(three);
        QCOMPARE(three->joined.size(), std::size_t{3});
        QVERIFY(fitCase(*three, library()));
        QVERIFY(!withSize(*both, library(), 1, both->hpPerRow));
        QVERIFY(!joinedCase(keepers(), tower, "?"));
        Case tall = keepers();
        tall.rows = kMostRows;
        QVERIFY(!joinedCase(tall, tower, "Tall"));
        std::string wrong = writeCase(*both);
        wrong.replace(wrong.find("\"rows\": 2"), 9, "\"rows\": 1");
        QVERIFY(!readCase(wrong));
    }

    void stackablesAreCounted() {
        Patch patch = lamp();
        const int stacked = ledgerOf(patch, library(), functions(), keepers()).stacked;
        QVERIFY(stacked > 0);
        const auto counted = withStackables(keepers(), 5);
        QVERIFY(counted);
        QCOMPARE(ledgerOf(patch, library(), functions(), *counted).stackable, 5);
        QVERIFY(*readCase(writeCase(*counted)) == *counted);
        QVERIFY(!withStackables(keepers(), -1));
        QVERIFY(!withStackables(keepers(), keepers().cableCount() + 1));
    }

    void theLedgerCountsByFunction() {
        const Ledger ledger = ledgerOf(lamp(), library(), functions(), keepers());
        const LedgerLine& vcas = *lineOf(ledger, "vca");
        QCOMPARE(vcas.cells.size(), std::size_t{4});
        QCOMPARE(vcas.free(), 2);
        QCOMPARE(vcas.cells[0].voice, std::string("Lead"));
        QVERIFY(!vcas.cells[0].rows.empty());
        for (const int row : vcas.cells[0].rows) {
            const Cable cable = lamp().cables[static_cast<std::size_t>(row - 1)];
            QVERIFY(cable.from.post == vcas.cells[0].post || cable.to.post == vcas.cells[0].post);
        }
        QCOMPARE(lineOf(ledger, "contour")->free(), 0);
        QCOMPARE(lineOf(ledger, "track")->free(), 1);
        QCOMPARE(lineOf(ledger, "lane")->free(), 3);
        QCOMPARE(lineOf(ledger, "mixer-channel")->free(), 2);
        QVERIFY(!lineOf(ledger, "quantizer"));
        QCOMPARE(ledger.cablesUsed, 21);
        QCOMPARE(ledger.cablesOwned, 34);
        int named = 0;
        for (const CableLine& line : ledger.cables) named += line.used;
        QCOMPARE(named, 21);
    }

    void railsAndColumnsAreAddedUp() {
        const Ledger ledger = ledgerOf(Patch{}, library(), functions(), keepers());
        double plus12 = 0.0;
        int hp = 0;
        for (const Slot& slot : keepers().slots) {
            plus12 += library().module(slot.module)->description.current.plus12;
            hp += library().module(slot.module)->description.hp;
        }
        QCOMPARE(ledger.rails[0].load, plus12);
        QCOMPARE(std::accumulate(ledger.freeColumns.begin(), ledger.freeColumns.end(), 0), 208 - hp);
        QCOMPARE(ledger.partsUsed, 0);
    }

    /// Every block of a case stands in some line, and no seat twice in one.
    void nothingIsLeftOut() {
        for (const auto& [id, housing] : workspace().cases) {
            const Ledger ledger = ledgerOf(Patch{}, library(), functions(), housing);
            std::set<std::string> blocks;
            for (const LedgerLine& line : ledger.lines) {
                std::set<std::string> keys;
                for (const LedgerCell& cell : line.cells) {
                    QVERIFY(keys.insert(cell.seat.key()).second || cell.seat.provider->block == "vca-bank");
                    blocks.insert(cell.seat.provider->block);
                }
            }
            for (const Slot& slot : housing.slots)
                for (const PartInfo& part : library().module(slot.module)->parts)
                    for (std::size_t b = 0; b < part.blocks.size(); ++b)
                        if (std::ranges::any_of(part.jacks,
                                                [&](const JackInfo& j) { return j.at.block == static_cast<int>(b); }))
                            QVERIFY2(blocks.contains(part.blocks[b].type->id), part.blocks[b].type->id.c_str());
        }
    }

    void modulesComeMoveAndGo() {
        Case housing = *newCase("Mine", 2, 84, {1000, 1000, 0});
        QCOMPARE(housing.id, std::string("mine"));
        housing = *withModule(housing, library(), "skerry-filter");
        housing = *withModule(housing, library(), "skerry-filter");
        QCOMPARE(housing.slots[1].id, std::string("skerry-filter-2"));
        QCOMPARE(housing.slots[1].column, 17);
        QVERIFY(withMoved(housing, library(), "skerry-filter-2", {1, 10})
                    .error()
                    .reason.str()
                    .find("stands there already") != std::string::npos);
        QVERIFY(withMoved(housing, library(), "skerry-filter-2", {1, 80}).error().reason.str().find("stick out") !=
                std::string::npos);
        QVERIFY(withMoved(housing, library(), "skerry-filter-2", {3, 1}).error().reason.str().find("no row 3") !=
                std::string::npos);
        housing = *withMoved(housing, library(), "skerry-filter-2", {2, 60});
        housing = *withShoved(housing, library(), "skerry-filter-2", 1);
        QCOMPARE(housing.slot("skerry-filter-2")->column, 69);
        housing = *withShoved(housing, library(), "skerry-filter-2", -1);
        QCOMPARE(housing.slot("skerry-filter-2")->column, 1);
        housing = *withLoose(housing, "skerry-filter");
        QVERIFY(housing.slot("skerry-filter")->loose());
        QVERIFY(fitCase(housing, library()));
        housing = *withoutModule(housing, "skerry-filter");
        QCOMPARE(housing.slots.size(), std::size_t{1});
        QVERIFY(!withoutModule(housing, "skerry-filter"));
        QVERIFY(!withModule(housing, library(), "teapot"));
        QVERIFY(withSize(housing, library(), 1, 84).error().reason.str().find("no place") != std::string::npos);
        // What does not fit goes into the bag, and counts for nothing.
        Case tiny = *withModule(*newCase("Tiny", 1, 8, {}), library(), "skerry-filter");
        QVERIFY(tiny.slots.front().loose());
        QVERIFY(freeParts(Patch{}, library(), &tiny).empty());
        QCOMPARE(ledgerOf(Patch{}, library(), functions(), tiny).loose.size(), std::size_t{1});
    }

    void shovingGoesPastANeighbour() {
        Case housing = caseOf("row", 1, 104, {"skerry-filter", "anchor-vco"});
        housing = *withShoved(housing, library(), "skerry-filter", 1);
        QCOMPARE(housing.slot("skerry-filter")->column, 33);
        QVERIFY(fitCase(housing, library()));
    }

    void casesGoThroughTheirFiles() {
        for (const Case& housing : heldBackCases()) {
            const auto again = readCase(writeCase(housing));
            QVERIFY(again);
            QCOMPARE(*again, housing);
        }
        for (const auto& [id, housing] : workspace().cases) QCOMPARE(*readCase(writeCase(housing)), housing);
        // Keys that this version does not know stay, in slots too.
        const auto strange = readCase(R"({"format": "lariat-case", "version": 1, "id": "x", "name": "X", "rows": 1,
            "hp-per-row": 40, "supply": {"plus12": 1, "minus12": 1}, "slots": [{"id": "a", "module": "b", "row": 1,
            "column": 1, "paint": "red"}], "place": "cellar"})");
        QVERIFY(strange);
        const std::string text = writeCase(*strange);
        QVERIFY(text.find("\"paint\": \"red\"") != std::string::npos && text.find("cellar") != std::string::npos);
        QVERIFY(
            !readCase(R"({"format": "lariat-case", "version": 2, "id": "x", "name": "X", "rows": 1, "hp-per-row": 40,
            "supply": {"plus12": 1, "minus12": 1}, "slots": [{"id": "a", "module": "b", "row": 2, "column": 1}]})"));
    }

    void ownCasesComeBeforeShippedOnes() {
        QTemporaryDir folder;
        const std::filesystem::path own = folder.path().toStdString();
        Case changed = *withCables(keepers(), 30, "blue", 3);
        changed = *withBorrowed(changed, "skerry", "the studio", "2026-11-03");
        QVERIFY(keepCase(changed, own));
        const Workspace read = loadWorkspace(dataFolder(), own);
        QVERIFY(read.errors.empty());
        QCOMPARE(read.cases.at("keepers-case"), changed);
        QCOMPARE(ledgerOf(Patch{}, library(), functions(), changed).borrowed.size(), std::size_t{1});
        QVERIFY(!keepCase(changed, {}));
    }

    void faultyFunctionsAreTold() {
        const auto why = [](const char* provider) {
            const auto read = Functions::read(fmt::format(
                R"({{"format": "lariat-functions", "version": 1, "functions": [{{"id": "f", "name": "F", "providers": [{}]}}]}})",
                provider));
            return read ? std::string() : read.error().text();
        };
        QVERIFY(why("").find("somebody has to play it") != std::string::npos);
        QVERIFY(why(R"({"block": "teapot"})").find("no block \"teapot\"") != std::string::npos);
        QVERIFY(why(R"({"block": "vca", "jacks": {"in": "spout"}})").find("no jack \"spout\"") != std::string::npos);
        QVERIFY(why(R"({"block": "vca", "set": {"heat": 3}})").find("no control \"heat\"") != std::string::npos);
        QCOMPARE(why(R"({"block": "vca"})"), std::string());
    }

    /// Against every way to give things out.
    void nobodyGoesWithoutThatNeedNot() {
        std::mt19937 random(7);
        for (int round = 0; round < 200; ++round) {
            const std::size_t people = 1 + random() % 5;
            const std::size_t things = 1 + random() % 5;
            std::vector<std::vector<std::size_t>> may(people);
            for (auto& list : may)
                for (std::size_t t = 0; t < things; ++t)
                    if (random() % 2) list.push_back(t);
            std::size_t best = 0;
            std::vector<bool> taken(things);
            const std::function<void(std::size_t, std::size_t)> each = [&](std::size_t who, std::size_t served) {
                best = std::max(best, served);
                if (who == people) return;
                each(who + 1, served);
                for (const std::size_t t : may[who])
                    if (!taken[t]) {
                        taken[t] = true;
                        each(who + 1, served + 1);
                        taken[t] = false;
                    }
            };
            each(0, 0);
            const auto got = assign(may);
            std::set<std::size_t> given;
            std::size_t served = 0;
            for (std::size_t who = 0; who < people; ++who)
                if (got[who]) {
                    ++served;
                    QVERIFY(given.insert(*got[who]).second);
                    QVERIFY(std::ranges::count(may[who], *got[who]) == 1);
                }
            QCOMPARE(served, best);
        }
    }

    /// A part that only one of a voice can use is left to it, whoever comes first.
    void doublingFindsAnAssignment() {
        // The chart's VCO could take either; the pair's A can only be a part of its own kind.
        const Patch patch = demo("landfall.json");
        const Case& tower = workspace().cases.at("tower-case");
        const auto doubled = duplicateVoice(patch, library(), &tower, "Hat", "Hat 2");
        QVERIFY2(doubled, doubled ? "" : doubled.error().text().c_str());
        QVERIFY(applyEdits(patch, *doubled).and_then([](Patch p) { return checkPatch(std::move(p), library()); }));
    }

    void aPatchGoesToAnotherCase() {
        const Case& tower = workspace().cases.at("tower-case");
        // The lead alone has everything there; the clock and the tracks are other modules.
        const auto moved = rehouse(lamp(), library(), tower);
        QVERIFY(moved);
        QVERIFY(checkPatch(moved->patch, library()));
        QCOMPARE(moved->patch.caseId, std::string("tower-case"));
        std::set<std::pair<std::string, std::string>> seats;
        for (const Post& post : moved->patch.posts) {
            QVERIFY(tower.slot(post.slot) && tower.slot(post.slot)->module == post.module);
            QVERIFY(seats.emplace(post.slot, post.part).second);
        }
        // Among modules of its own kinds nothing is lost, there and back.
        const Case other = caseOf("other", 2, 168,
                                  {"harbour-out", "ballast-vcas", "lantern-contours", "hawser-ladder", "anchor-vco",
                                   "signal-keys", "swell-lfo"});
        const auto there = rehouse(demo("first-voice.json"), library(), other);
        QVERIFY(there && there->missing.empty() && there->cablesLost == 0);
        const auto back = rehouse(there->patch, library(), tower);
        QVERIFY(back && back->missing.empty());
        QCOMPARE(back->patch.cables.size(), demo("first-voice.json").cables.size());
        const Case empty = caseOf("empty", 1, 84, {});
        QCOMPARE(rehouse(lamp(), library(), empty)->missing.size(), lamp().posts.size());
    }
};

QTEST_APPLESS_MAIN(StockTest)
#include "stock_test.moc"
