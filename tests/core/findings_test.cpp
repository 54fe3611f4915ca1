// Findings: each rule on a patch made to fail, silent on one that is right, and cured by its own fix.
#include "library/check.h"
#include "support/patches.h"

#include <QtTest>

using namespace lariat;
using namespace lariat::test;

namespace {

PatchMaker voice() {
    return PatchMaker().voice();
}

/// A kick: oscillator under two contours, all three triggered.
PatchMaker kick(bool reset) {
    PatchMaker maker;
    maker.timing()
        .post("osc", "anchor", "osc")
        .post("pitch", "lantern-b", "1")
        .post("level", "lantern-b", "2")
        .post("vca", "ballast-a", "1")
        .post("out", "harbour", "out");
    maker.tie("tracks.drum-1", "pitch.gate")
        .tie("tracks.drum-1", "level.gate")
        .tie("pitch.out", "osc.fm")
        .tie("osc.sine", "vca.in")
        .tie("level.out", "vca.lin-cv")
        .tie("vca.out", "out.left");
    maker.knob("osc", "octave", 1)
        .knob("osc", "fine", 1.3)
        .knob("osc", "fm-amount", 40)
        .knob("pitch", "type", 2)
        .knob("pitch", "decay", 0.05)
        .knob("level", "type", 2)
        .knob("level", "decay", 0.25);
    if (reset) maker.tie("tracks.drum-1", "osc.sync");
    return maker;
}

PatchMaker syncLead(bool rightWay) {
    PatchMaker maker = voice();
    maker.post("leader", "keel", "b").tie("leader.pulse", "osc.sync");
    if (rightWay) maker.tie("tracks.pitch-1", "leader.voct");
    return maker;
}

/// Three loud oscillators into a mixer at full level.
PatchMaker loudSum(double level) {
    PatchMaker maker = voice();
    Patch bare = maker.make();
    maker.post("b", "keel", "b")
        .post("c", "anchor", "osc")
        .post("mixer", "gangway", "mixer")
        .tie("b.saw", "mixer.in-2")
        .tie("c.saw", "mixer.in-3");
    maker.tie("mixer.mix", "out.right").tie("vca.out", "mixer.in-1");
    for (const char* channel : {"level-1", "level-2", "level-3"}) maker.knob("mixer", channel, level);
    return maker;
}

/// The named rule finds something in the patch, and its first fix makes it silent.
void expectCured(const Patch& patch, const std::string& rule, const char* figure) {
    const auto found = findingsIn(patch, rule);
    QCOMPARE(found.size(), std::size_t{1});
    QVERIFY2(found[0].figure.str().find(figure) != std::string::npos, found[0].figure.str().c_str());
    QVERIFY(!found[0].reason.empty());
    QVERIFY2(!found[0].fixes.empty(), whyNone(patch, found[0]).c_str());
    for (const Fix& fix : found[0].fixes) {
        const auto cured = applyEdits(patch, fix.edits);
        QVERIFY2(cured, cured ? "" : cured.error().text().c_str());
        QVERIFY2(findingsIn(*cured, rule).empty(), fix.label.str().c_str());
    }
}

} // namespace

class FindingsTest : public QObject {
    Q_OBJECT

  private Q_SLOTS:
    /// A contour that is only triggered plays attack and release: it is not said never to start.
    void aTriggeredContourSounds() {
        PatchMaker maker;
        maker.voice();
        Patch patch = maker.make();
        for (Cable& cable : patch.cables)
            if (cable.to == JackRef{"contour", "gate"}) cable.to.jack = "retrigger";
        for (const Finding& finding : findingsIn(patch, 3.0))
            QVERIFY2(finding.rule != "no-sound", finding.reason.str().c_str());
        // Where no trigger comes, the fault lies before it.
        Patch still = patch;
        std::erase_if(still.cables, [](const Cable& cable) { return cable.to == JackRef{"tracks", "clock"}; });
        const auto found = findingsIn(still, 3.0);
        QVERIFY(std::ranges::any_of(found, [](const Finding& finding) { return finding.rule == "no-sound"; }));
        for (const Finding& finding : found)
            QVERIFY2(finding.reason.str().find("never starts") == std::string::npos, finding.reason.str().c_str());
        // Without a cable it does not start.
        std::erase_if(patch.cables, [](const Cable& cable) { return cable.to.post == "contour"; });
        QVERIFY(std::ranges::any_of(findingsIn(patch, 3.0), [](const Finding& finding) {
            return finding.reason.str().find("never starts") != std::string::npos;
        }));
    }

    void nothingIsWrongWithARightPatch_data() {
        QTest::addColumn<int>("which");
        QTest::newRow("voice") << 0;
        QTest::newRow("kick") << 1;
        QTest::newRow("sync lead") << 2;
        QTest::newRow("sum") << 3;
    }
    void nothingIsWrongWithARightPatch() {
        QFETCH(int, which);
        const Patch patch = which == 0   ? voice().make()
                            : which == 1 ? kick(true).make()
                            : which == 2 ? syncLead(true).make()
                                         : loudSum(40).knob("mixer", "main", 90).make();
        for (const Finding& finding : findingsIn(patch))
            if (which != 3 || finding.rule != "drone")
                QFAIL((finding.rule + ": " + finding.figure.str()).c_str()); // that one drones by design
    }

    void drone() {
        PatchMaker maker;
        maker.timing(0.9)
            .post("osc", "keel", "a")
            .post("contour", "lantern-a", "1")
            .post("out", "harbour", "out")
            .tie("osc.saw", "out.left")
            .tie("tracks.gate-1", "contour.gate");
        maker.knob("contour", "decay", 0.05).knob("contour", "release", 0.01);
        const Patch patch = maker.make();
        expectCured(patch, "drone", "0.");
        // The fix takes a free VCA out of the case.
        const auto cured = applyEdits(patch, findingsIn(patch, "drone")[0].fixes[0].edits);
        QVERIFY(cured->post("ballast-a-1"));
    }

    void droneThroughAnOpenVca() {
        PatchMaker maker = voice();
        maker.knob("vca", "offset", 80);
        expectCured(maker.make(), "drone", "dB");
    }

    /// Two envelopes wait for one gate that never comes: that is one reason, told once, and not that the second one
    /// "waits for a pulse".
    void whatSeveralWaitForIsToldOnce() {
        PatchMaker maker("tower-case");
        maker.voice()
            .post("second", "lantern-b", "1")
            .post("noise", "spray-a", "noise")
            .post("other", "ballast-b", "1")
            .tie("tracks.gate-1", "second.gate")
            .tie("noise.white", "other.in")
            .tie("second.out", "other.lin-cv")
            .tie("other.out", "out.right");
        Patch patch = maker.make();
        std::erase_if(patch.cables, [](const Cable& cable) { return cable.to == JackRef{"tracks", "clock"}; });
        const auto found = findingsIn(patch, "no-sound");
        QCOMPARE(found.size(), std::size_t{1});
        QCOMPARE(found[0].post, std::string("tracks"));
    }

    /// The figure of what never stops is the level of what is heard, not the volts of what opens it.
    void theFigureIsThatOfTheSound() {
        PatchMaker maker = voice();
        for (const char* knob : {"attack", "decay"}) maker.knob("contour", knob, 0.003);
        maker.knob("contour", "sustain", 100).knob("contour", "release", 15);
        Patch patch = maker.make();
        const auto found = findingsIn(patch, "drone");
        QCOMPARE(found.size(), std::size_t{1});
        const auto observed = observe(patch, workspace().library, workspace().housing(patch), 3.0);
        const auto& outputs = observed->flow->graph().outputs;
        const double pause = observed->lives.of(outputs.at({"vca", "out"})).pause;
        QVERIFY(pause > -6.0);
        QCOMPARE(found[0].figure.str(), say("the level never falls more than {:.1f} dB", -pause).str());
    }

    void nothingReachesTheOutput() {
        PatchMaker maker;
        maker.post("osc", "keel", "a")
            .post("filter", "skerry", "filter")
            .post("out", "harbour", "out")
            .tie("osc.saw", "filter.in-1");
        expectCured(maker.make(), "no-path", "0.0 V");
    }

    void noWayOutAtAll() {
        PatchMaker maker;
        maker.timing();
        const auto found = findingsIn(maker.make(), "no-path");
        QCOMPARE(found.size(), std::size_t{1});
        QVERIFY(found[0].reason.str().find("no way out") != std::string::npos);
    }

    void attenuatorAtZero() {
        PatchMaker maker = voice();
        maker.post("lfo", "swell", "lfo").tie("lfo.triangle", "filter.cv-2");
        expectCured(maker.make(), "zero-attenuator", "10.0 V arrive, 0 % pass");
    }

    void pitchOnASyncedFollower() {
        const auto found = findingsIn(syncLead(false).make(), "pitch-on-follower");
        QCOMPARE(found.size(), std::size_t{1});
        expectCured(syncLead(false).make(), "pitch-on-follower", "12 st");
        // Both following the tune is a known way to play it.
        QVERIFY(findingsIn(syncLead(true).make(), "pitch-on-follower").empty());
    }

    void sustainNeverReached() {
        PatchMaker maker = voice();
        maker.knob("contour", "attack", 0.03).knob("contour", "decay", 0.4).knob("contour", "sustain", 50);
        const auto found = findingsIn(maker.make(), "sustain-not-reached");
        QCOMPARE(found.size(), std::size_t{1});
        QVERIFY2(found[0].figure.str().find("attack + decay 430 ms") != std::string::npos,
                 found[0].figure.str().c_str());
        const auto cured = applyEdits(maker.make(), found[0].fixes[0].edits);
        QVERIFY(findingsIn(*cured, "sustain-not-reached").empty());
    }

    void longerGatesCureItToo() {
        PatchMaker maker = voice();
        maker.knob("contour", "attack", 0.01).knob("contour", "decay", 0.105);
        Patch patch = maker.make();
        patch.patterns[0] = patch.patterns[0].with([](Pattern& pattern) {
            for (Step& step : pattern.tracks[0].steps) step.gate = 0.5;
        });
        expectCured(patch, "sustain-not-reached", "ms, attack + decay 115 ms");
        QCOMPARE(findingsIn(patch, "sustain-not-reached")[0].fixes.size(), std::size_t{2});
    }

    void percussiveContoursMayEndEarly() {
        PatchMaker maker = voice();
        maker.knob("contour", "decay", 0.5).knob("contour", "sustain", 0);
        QVERIFY(findingsIn(maker.make(), "sustain-not-reached").empty());
        maker.knob("contour", "sustain", 50).knob("contour", "type", 2);
        QVERIFY(findingsIn(maker.make(), "sustain-not-reached").empty());
    }

    void drumNotReset() {
        const auto found = findingsIn(kick(false).make(), "drum-not-reset");
        QCOMPARE(found.size(), std::size_t{1});
        QCOMPARE(found[0].severity, Severity::Caution); // some leave it alive on purpose
        expectCured(kick(false).make(), "drum-not-reset", "hits differ by");
    }

    /// A struck tune is no drum, and a low-pass gate closes as a VCA does.
    void tunesAreNoDrumsAndGatesClose() {
        for (const char* name : {"low-pass-gate", "deep-water", "texture"}) {
            const auto patch =
                openPatch(std::string(LARIAT_SOURCE) + "/data/demo/" + name + ".json", workspace().library);
            QVERIFY(patch);
            QVERIFY2(findingsIn(*patch, "drum-not-reset").empty(), name);
            QVERIFY2(findingsIn(*patch, "drone").empty(), name);
        }
    }

    void sumClips() {
        const auto found = findingsIn(loudSum(100).make(), "sum-clips");
        QCOMPARE(found.size(), std::size_t{1});
        expectCured(loudSum(100).make(), "sum-clips", "sums to 1");
        QVERIFY(findingsIn(loudSum(40).make(), "sum-clips").empty());
    }

    void figuresAreMeasured() {
        // Twice the level gives twice the sum: the figure is computed, not written.
        const std::string loud = findingsIn(loudSum(100).make(), "sum-clips")[0].figure.str();
        const std::string less = findingsIn(loudSum(85).make(), "sum-clips")[0].figure.str();
        const double a = std::stod(loud.substr(8));
        const double b = std::stod(less.substr(8));
        QVERIFY2(std::abs(b / a - 0.85) < 0.01, (loud + " / " + less).c_str());
    }
};

QTEST_APPLESS_MAIN(FindingsTest)
#include "findings_test.moc"
