// Moves: inserting, splitting, doubling a voice, morphing, and what a plug breaks.
#include "building/breaks.h"
#include "building/capacity.h"
#include "building/flow.h"
#include "building/insert.h"
#include "building/morph.h"
#include "building/path.h"
#include "building/split.h"
#include "building/voice.h"
#include "library/check.h"
#include "log/differences.h"
#include "support/patches.h"
#include "timing/pattern_edits.h"

#include <QtTest>

using namespace lariat;
using namespace lariat::test;

namespace {

const Library& library() {
    return workspace().library;
}
const Case* tower() {
    return &workspace().cases.at("tower-case");
}

PatchMaker voice() {
    PatchMaker maker("tower-case");
    maker.timing().post("osc", "keel-a", "a").post("vca", "ballast-a", "1").post("out", "harbour", "out");
    maker.tie("tracks.pitch-1", "osc.voct").tie("osc.saw", "vca.in").tie("vca.out", "out.left").knob("osc", "fine", 2);
    return maker;
}

Patch after(const Patch& patch, const Edits& edits) {
    auto made = applyEdits(patch, edits).and_then([](Patch p) { return checkPatch(std::move(p), library()); });
    if (!made) throw std::runtime_error(made.error().text());
    return *made;
}

const Cable* between(const Patch& patch, const std::string& from, const std::string& to) {
    for (const Cable& cable : patch.cables)
        if (cable.from.text() == from && cable.to.text() == to) return &cable;
    return nullptr;
}

} // namespace

class BuildingTest : public QObject {
    Q_OBJECT

  private Q_SLOTS:
    void aFunctionIsCountedByWhatIsLeft() {
        const Patch patch = voice().make();
        const auto all = capacity(patch, library(), tower());
        const auto vcas = std::ranges::find_if(all, [](const Capacity& c) { return c.type->id == "vca"; });
        QVERIFY(vcas != all.end());
        QCOMPARE(vcas->free, vcas->total - 1);
        QCOMPARE(freeParts(patch, library(), tower(), "line-out").size(), std::size_t{0});
        const Post next = postFor(patch, freeParts(patch, library(), tower(), "vca").front(), "Lead");
        QVERIFY(!patch.post(next.id));
        QCOMPARE(next.voice, std::string("Lead"));
    }

    void aPartGoesIntoACable() {
        const Patch patch = voice().make();
        const int cable = between(patch, "osc.saw", "vca.in")->id;
        const Post filter = postFor(patch, freeParts(patch, library(), tower(), "svf").front());
        const auto edits = insertInto(patch, library(), cable, filter);
        QVERIFY(edits);
        const Patch made = after(patch, *edits);
        QVERIFY(between(made, "osc.saw", filter.id + ".in-1"));
        const Cable* on = between(made, filter.id + ".low", "vca.in");
        QVERIFY(on);
        QCOMPARE(made.row(on->id), made.row(cable) + 1); // built in this order
        // An attenuverter that would let nothing through is opened.
        const Post level = postFor(patch, freeParts(patch, library(), tower(), "attenuverter").front());
        const Patch levelled = after(patch, *insertInto(patch, library(), cable, level));
        QCOMPARE(levelled.post(level.id)->knobs.at("amount"), 100.0);
        QVERIFY(!insertInto(patch, library(), cable, *patch.post("osc")));
        QVERIFY(!insertInto(patch, library(), 999, filter));
    }

    void waysToSplitSayWhatTheyCost() {
        PatchMaker maker = voice();
        maker.post("second", "keel-a", "b").post("steps", "ratline", "steps").post("third", "anchor-a", "osc");
        maker.tie("steps.cv", "second.voct");
        const Patch patch = maker.make();
        const auto ways = waysToSplit(patch, library(), tower(), {"steps", "cv"}, {"third", "voct"});
        QVERIFY(ways.size() >= 2);
        for (const Split& way : ways) {
            const Patch made = after(patch, way.edits);
            QVERIFY(made.cableInto({"third", "voct"}));
            if (way.way == Split::Way::Stack) QVERIFY(std::abs(way.sagPerVolt - 0.0098) < 0.0005);
            if (way.way == Split::Way::Mult && way.sagPerVolt < 1e-6) {
                QCOMPARE(way.cables, 2);
                QVERIFY(made.cableInto({"second", "voct"})->from.post != "steps");
            }
        }
        QVERIFY(ways.front().sagPerVolt < 1e-6); // the buffered mult comes first
        QVERIFY(ways.back().sagPerVolt > 0.005);
    }

    void aVoiceOnceMore() {
        Patch patch = voice().make();
        for (Post& post : patch.posts)
            if (post.id == "osc" || post.id == "vca") post.voice = "Lead";
        const auto edits = duplicateVoice(patch, library(), tower(), "Lead", "Lead 2");
        QVERIFY2(edits, edits ? "" : edits.error().reason.str().c_str());
        const Patch made = after(patch, *edits);
        QCOMPARE(std::ranges::count(made.posts, std::string("Lead 2"), &Post::voice), 2);
        const auto osc = std::ranges::find_if(
            made.posts, [&](const Post& p) { return p.voice == "Lead 2" && library().part(p)->has("vco"); });
        QCOMPARE(osc->knobs.at("fine"), 2.0);
        QVERIFY(made.cableInto({osc->id, "voct"})); // it plays the same tune
        // Keeper's case has too few of something.
        Patch small = lamp();
        const auto short_ = duplicateVoice(small, library(), workspace().housing(small), small.posts[4].voice, "Again");
        QVERIFY(!short_);
        QVERIFY(short_.error().reason.str().find("nothing left for") != std::string::npos);
        QVERIFY(!duplicateVoice(patch, library(), tower(), "Nobody", "Again"));
        QVERIFY(!duplicateVoice(patch, library(), tower(), "Lead", "Lead"));
    }

    void whatAPlugBreaksIsKnownBefore() {
        PatchMaker maker("tower-case");
        maker.post("env-1", "lantern-a", "1").post("env-2", "lantern-a", "2").timing();
        maker.tie("tracks.gate-1", "env-1.gate");
        const Patch patch = maker.make();
        const auto broken = brokenBy(patch, library(), {"env-2", "gate"});
        QCOMPARE(broken.size(), std::size_t{1});
        QCOMPARE(broken[0].from.text(), std::string("tracks.gate-1"));
        QVERIFY(brokenBy(patch, library(), {"env-1", "gate"}).empty()); // a plug is in there already
    }

    void morphing() {
        const Patch patch = voice().make();
        const Setting a = settingOf(patch, library());
        Setting b = a;
        b["osc"]["fine"] = -4;
        b["osc"]["octave"] = 6;
        b["gone"]["knob"] = 1;
        QVERIFY(morph(patch, library(), a, b, 0.0).empty());
        const Patch half = after(patch, morph(patch, library(), a, b, 0.5));
        QCOMPARE(half.post("osc")->knobs.at("fine"), -1.0);
        QCOMPARE(half.post("osc")->knobs.at("octave"), 6.0); // a switch changes in the middle
        Patch locked = patch;
        locked = after(locked, {DescribeKnob{"osc", "fine", "", true}});
        const Patch all = after(locked, morph(locked, library(), a, b, 1.0));
        QCOMPARE(all.post("osc")->knobs.at("fine"), 2.0);
        QVERIFY(!applyEdit(locked, SetKnob{"osc", "fine", 0}));
    }

    /// What is different is said once each, both ways round; what only stands elsewhere is not.
    void differencesAreNamed() {
        PatchMaker maker = voice();
        const Patch before = maker.make();
        QVERIFY(differences(before, before, library()).empty());
        const auto cable = between(before, "osc.saw", "vca.in");
        const Patch now = after(before, {RemoveCable{cable->id},
                                         TieCable{Cable{0, {"osc", "pulse"}, {"vca", "in"}, {}, {}, {}, 0, {}, {}}, 0},
                                         SetKnob{"osc", "fine", -3.0}, SetTitle{"Another"}});
        const auto text = [](const std::vector<Difference>& all) {
            QStringList lines;
            for (const Difference& one : all)
                if (one.group != Difference::Group::SmallPrint) lines << QString::fromStdString(inOneLine(one));
            return lines;
        };
        const QStringList there = text(differences(before, now, library()));
        QCOMPARE(there.size(), 3);
        QCOMPARE(there[0], QStringLiteral("the title: Test → Another"));
        QVERIFY(there[1].endsWith(QLatin1String("into vca in moved from osc saw to osc pulse")));
        QVERIFY(there[2].startsWith(QLatin1String("osc Fine")) && there[2].contains(QChar(0x2192)));
        const QStringList back = text(differences(now, before, library()));
        QVERIFY(back[1].endsWith(QLatin1String("into vca in moved from osc pulse to osc saw")));
        const QStringList without = text(differences(before, after(before, {RemoveCable{cable->id}}), library()));
        QCOMPARE(without, QStringList{QStringLiteral("unplugged: osc saw to vca in")});

        // Steps, line by line and variation by variation.
        Pattern pattern = *before.pattern("tracks");
        pattern = *withLine(pattern, {"tracks", false, 0}, 1, "d3 - e3");
        const Patch stepped = after(before, {SetPattern{pattern}});
        const QStringList steps = text(differences(before, stepped, library()));
        QCOMPARE(steps.size(), 1);
        QVERIFY2(steps[0] ==
                     QStringLiteral("tracks track 1 B: 3 steps, were 4; step 2 rests; step 3: D4 → E3 (3 of 4 steps)"),
                 qPrintable(steps[0]));
        // The order of rows and posts is none.
        Patch turned = before;
        std::ranges::reverse(turned.cables);
        std::ranges::reverse(turned.posts);
        QVERIFY(text(differences(before, turned, library())).isEmpty());
    }

    void thePathOfAJack() {
        const Patch patch = voice().make();
        const auto path = pathThrough(patch, library(), {"osc", "saw"});
        const auto holds = [&](const char* from, const char* to) {
            return std::ranges::count(path, between(patch, from, to)->id) == 1;
        };
        QVERIFY(holds("tracks.pitch-1", "osc.voct"));
        QVERIFY(holds("osc.saw", "vca.in"));
        QVERIFY(holds("vca.out", "out.left"));
        QVERIFY(holds("clock.sixteenths", "tracks.clock"));
        QCOMPARE(pathThrough(patch, library(), {"clock", "reset"}).size(),
                 patch.cables.size()); // from there everything follows
    }

    void postsStandAlongTheFlow() {
        PatchMaker maker("tower-case");
        maker.post("out", "harbour", "out").post("vca", "ballast-a", "1").post("osc", "keel-a", "a").timing();
        maker.tie("vca.out", "out.left")
            .tie("osc.saw", "vca.in")
            .tie("tracks.pitch-1", "osc.voct")
            .tie("vca.out", "osc.fm");
        const Patch patch = maker.make();
        const std::vector<std::string> wanted = {"clock", "tracks", "osc", "vca", "out"};
        const auto order = orderAlongFlow(patch);
        const auto place = [&](const char* id) { return std::ranges::find(order, id) - order.begin(); };
        QVERIFY(place("clock") < place("tracks"));
        QVERIFY(place("tracks") < place("osc"));
        QVERIFY(place("osc") < place("vca")); // the cable back does not turn it round
        QCOMPARE(order.back(), std::string("out"));
        const Patch ordered = after(patch, orderPosts(patch));
        for (std::size_t i = 0; i < order.size(); ++i) QCOMPARE(ordered.posts[i].id, order[i]);
        QVERIFY(orderPosts(ordered).empty());
    }

    /// A post that is tied for the first time goes where the cable wants it; others stay.
    void newcomersFindTheirPlace() {
        PatchMaker maker = voice();
        const Patch patch = maker.post("filter", "skerry-a", "filter").make(); // taken out of the case: it stands last
        const auto ties = [](const char* from, const char* to) {
            return Edits{TieCable{{0, jackRef(from), jackRef(to), "", "", "", 0, "", {}}, 0}};
        };
        const auto order = [&](const Edits& edits) {
            std::string all;
            for (const Post& post : after(patch, withNewcomersPlaced(patch, edits)).posts) all += post.id + " ";
            return all;
        };
        QCOMPARE(order(ties("osc.sine", "filter.in-1")), std::string("clock tracks osc filter vca out "));
        QCOMPARE(order(ties("filter.low", "out.right")), std::string("clock tracks osc vca filter out "));
        QCOMPARE(order(ties("osc.sine", "out.right")), std::string("clock tracks osc vca out filter "));
    }

    void headings() {
        Patch patch = voice().make();
        for (std::size_t i = 0; i < patch.cables.size(); ++i) patch.cables[i].voice = i < 2 ? "Time" : "Lead";
        patch = *applyEdit(patch, MoveHeading{"Lead", "", false});
        QCOMPARE(patch.cables.front().voice, std::string("Lead"));
        patch = *applyEdit(patch, MoveHeading{"Lead", "", true});
        QCOMPARE(patch.cables.front().voice, std::string("Time"));
        QVERIFY(!applyEdit(patch, MoveHeading{"Time", "", false}));
        patch = *applyEdit(patch, StyleHeading{{"Lead", "", "rust", true}});
        patch = *applyEdit(patch, RenameHeading{"Lead", "", "Bell", "sound"});
        QVERIFY(patch.heading("Bell", "sound"));
        QCOMPARE(patch.cables.back().step, std::string("sound"));
        QVERIFY(!applyEdit(patch, RenameHeading{"Lead", "", "x", ""}));
        const auto again = readPatch(writePatch(patch));
        QVERIFY(again);
        QCOMPARE(*again, patch);
    }

    void cablesChangePlaces() {
        Patch patch = voice().make();
        const int a = between(patch, "tracks.pitch-1", "osc.voct")->id;
        const int b = between(patch, "osc.saw", "vca.in")->id;
        const Patch swapped = *applyEdit(patch, SwapCables{a, b, false});
        QCOMPARE(swapped.cable(a)->to.text(), std::string("vca.in"));
        QCOMPARE(swapped.cable(b)->to.text(), std::string("osc.voct"));
        QCOMPARE(*applyEdit(swapped, SwapCables{a, b, false}), patch);
    }
};

QTEST_APPLESS_MAIN(BuildingTest)
#include "building_test.moc"
