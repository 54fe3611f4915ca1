// Quantizer: nearest notes, modes, its own sequence; tunings.
#include "support/analysis.h"
#include "support/rig.h"
#include "units/tuning.h"

#include "library/own_scales.h"
#include "library/workspace.h"
#include "model/file.h"
#include "support/patches.h"
#include "timing/keep.h"

#include <QTemporaryDir>
#include <QtTest>

#include <cmath>

using namespace lariat;
using namespace lariat::test;

namespace {

double at(const Rig& rig, const char* jack, double seconds) {
    return static_cast<double>(rig.out(jack)[static_cast<std::size_t>(seconds * 96000)]);
}

std::vector<Pulse> clocks(int count, double period = 0.1, double first = 0.05) {
    std::vector<Pulse> pulses;
    for (int n = 0; n < count; ++n) pulses.push_back({first + n * period, first + (n + 0.5) * period});
    return pulses;
}

constexpr double kMajor = 2;
constexpr double kSemitone = 1.0 / 12.0;

} // namespace

class QuantizerTest : public QObject {
    Q_OBJECT

  private Q_SLOTS:
    /// A slow ramp over four octaves visits every note of every mask, always the nearest one.
    void everyMaskGivesItsNearestNote() {
        for (unsigned mask : {0x001u, 0xAB5u, 0x5ADu, 0xFFFu, 0x295u, 0x810u, 0x124u}) {
            Rig rig("quantizer");
            rig.set("scale", 0);
            for (int n = 0; n < 12; ++n) rig.set("note-" + std::to_string(n), (mask >> n & 1u) ? 1 : 0);
            rig.feed("in-1", [](double t) { return -2.0 + 4.0 * t; }).run(1.0);
            for (double t = 0.01; t < 0.99; t += 0.0037) {
                const double in = 12.0 * (-2.0 + 4.0 * t);
                double nearest = 1e9;
                for (int note = -48; note <= 48; ++note)
                    if (mask >> ((note % 12 + 12) % 12) & 1u) nearest = std::min(nearest, std::abs(note - in));
                const double got = 12.0 * at(rig, "out-1", t);
                QVERIFY(std::abs(got - std::round(got)) < 1e-3);
                QVERIFY((mask >> ((std::lround(got) % 12 + 12) % 12) & 1u) != 0);
                worst("quantizer", "beyond the nearest note", 83.33 * std::max(0.0, std::abs(got - in) - nearest),
                      "mV (hysteresis 10)");
                QVERIFY(std::abs(got - in) < nearest + 0.13); // 10 mV of hysteresis
            }
        }
    }

    void hysteresisKeepsATremblingNoteStill() {
        Rig rig("quantizer");
        rig.set("mode-1", 1)
            .feed("in-1", [](double t) { return 0.5 * kSemitone + 0.004 * std::sin(2.0 * 3.14159 * 50.0 * t); })
            .run(1.0);
        QVERIFY(rig.rising("trigger-1").size() <= 1);
    }

    void triggersByMode_data() {
        QTest::addColumn<double>("mode");
        QTest::addColumn<int>("triggers");
        QTest::newRow("always") << 0.0 << 0;
        QTest::newRow("on change") << 1.0 << 5;
        QTest::newRow("on clock") << 2.0 << 10;
        QTest::newRow("clock and change") << 3.0 << 5;
    }
    /// A staircase that moves by a tone every second clock.
    void triggersByMode() {
        QFETCH(double, mode);
        QFETCH(int, triggers);
        Rig rig("quantizer");
        rig.set("mode-1", mode).pulses("clock-1", clocks(10));
        rig.feed("in-1", [](double t) { return 2.0 * kSemitone * std::floor((t + 0.001) / 0.2); }).run(1.0);
        const bool any = triggers > 0;
        QCOMPARE(any ? rig.rising("trigger-1").size() : std::size_t{0}, static_cast<std::size_t>(triggers));
        if (any && mode >= 2) { // pitch has settled when the trigger comes
            for (const double t : rig.rising("trigger-1"))
                QVERIFY(std::abs(at(rig, "out-1", t - 0.0003) - at(rig, "out-1", t + 0.004)) < 1e-6);
        }
    }

    void rootAndTranspose() {
        Rig rig("quantizer");
        rig.set("scale", kMajor).set("root", 2).set("transpose", 5).feed("in-1", 0.0).run(0.1);
        // D major has no C; the nearest note is C sharp or B, then five up.
        const double note = std::round(12.0 * at(rig, "out-1", 0.05));
        QVERIFY(note == 1 + 5 || note == -1 + 5);
    }

    void itsOwnSequencePlaysTransposedWhileTheOtherChannelQuantizes() {
        Step c, e, rest, tie;
        c.kind = e.kind = Step::Kind::Note;
        e.note = 64;
        tie.kind = Step::Kind::Tie;
        Pattern pattern;
        pattern.post = "q";
        pattern.tracks = {{"a", {c, tie, e, rest}, {}}};
        Rig rig("quantizer");
        rig.pattern(pattern).set("play", 1).set("root", 2).pulses("clock-1", clocks(8)).feed("in-2", 0.34).run(0.9);
        QVERIFY(std::abs(at(rig, "out-1", 0.10) - 2 * kSemitone) < 1e-5);
        QVERIFY(std::abs(at(rig, "out-1", 0.30) - 6 * kSemitone) < 1e-5);
        QVERIFY(at(rig, "gate", 0.14) > 5.0); // the tie holds the gate
        QVERIFY(at(rig, "gate", 0.40) < 1.0); // the rest does not open it
        QVERIFY(std::abs(at(rig, "out-2", 0.5) - 4 * kSemitone) < 1e-5);
        QCOMPARE(rig.rising("gate").size(), std::size_t{4});
    }

    /// Triggers of channel 1 are one of these, whatever the mode; a sequence of three steps, the second one a rest.
    void triggersExcludeEachOther() {
        Step c, e, rest;
        c.kind = e.kind = Step::Kind::Note;
        e.note = 64;
        Pattern pattern;
        pattern.post = "q";
        pattern.tracks = {{"a", {c, rest, e}, {}}};
        const auto triggers = [&](double mode, double triggering, bool plays, bool clocked) {
            Rig rig("quantizer");
            rig.pattern(pattern).set("play", plays ? 1 : 0).set("mode-1", mode).set("triggers", triggering);
            if (clocked) rig.pulses("clock-1", clocks(9));
            // Another note at 0.21 and 0.52, half a semitone of trembling all the time.
            rig.feed("in-1", [](double t) {
                const double note = t < 0.2113 ? 0.0 : t < 0.5217 ? 2.0 : 4.0;
                return (note + 0.03 * std::sin(2.0 * kPi * 40.0 * t)) / 12.0;
            });
            rig.set("scale", kMajor).run(0.95);
            return std::pair(rig.rising("trigger-1"), rig.rising("gate").size());
        };
        for (const double mode : {0.0, 1.0, 2.0, 3.0}) {
            for (const bool plays : {false, true})
                QCOMPARE(triggers(mode, 1, plays, true).first.size(), std::size_t{9});
            QCOMPARE(triggers(mode, 2, false, true).first.size(), std::size_t{0});
            QCOMPARE(triggers(mode, 2, true, true).first.size(), std::size_t{9});
            for (const bool plays : {false, true}) {
                // Change: without a clock at once, with one at the next clock that finds it.
                const auto free = triggers(mode, 3, plays, false).first;
                QCOMPARE(free.size(), std::size_t{2});
                QVERIFY(std::abs(free[0] - 0.2118) < 3e-4);
                const auto clocked = triggers(mode, 3, plays, true).first;
                QCOMPARE(clocked.size(), std::size_t{2});
                QVERIFY(std::abs(clocked[0] - 0.2505) < 3e-4);
            }
        }
        QCOMPARE(triggers(0, 0, true, true).first.size(), std::size_t{6}); // as quantized: at its notes only
        QCOMPARE(triggers(0, 3, true, false).second, std::size_t{1});
    }

    /// In mode "change" each new note at the input takes the sequence a step on; the second channel does not mind.
    void aNewNoteAdvancesTheSequence() {
        std::vector<Step> steps(5);
        for (std::size_t n = 0; n < steps.size(); ++n) {
            steps[n].kind = Step::Kind::Note;
            steps[n].note = 60 + 2 * static_cast<int>(n);
        }
        Pattern pattern;
        pattern.post = "q";
        pattern.tracks = {{"a", steps, {}}};
        Rig rig("quantizer");
        rig.pattern(pattern).set("play", 1).set("triggers", 3).set("scale", 1).feed("in-2", 0.34);
        rig.feed("in-1", [](double t) { return std::floor(t / 0.0937) / 12.0; }).run(0.5);
        for (int n = 1; n <= 4; ++n)
            QVERIFY(std::abs(at(rig, "out-1", 0.0937 * n + 0.02) - 2.0 * (n - 1) * kSemitone) < 1e-5);
        QVERIFY(std::abs(at(rig, "out-2", 0.4) - 4 * kSemitone) < 1e-5);
    }

    /// The buttons beside the jacks: record, note, rest, tie and octave write steps, without a clock; load takes them
    /// back.
    void stepsAreEnteredByButtons() {
        Rig rig("quantizer");
        rig.set("scale", 1).feed("in-1", 4 * kSemitone);
        const auto press = [&](const char* button) {
            rig.set(button, 1).run(0.03);
            rig.set(button, 0).run(0.03);
        };
        rig.run(0.02).set("press-record", 1).run(0.02);
        press("press-note");
        press("press-tie");
        rig.set("press-octave", 1);
        press("press-note");
        rig.set("press-octave", 0);
        press("press-rest");
        rig.set("press-record", 0).run(0.02);
        Told told = rig.told();
        QCOMPARE(told[1], 4);
        const auto entry = [&](int step) { return told[idx(3 + step / 3)] >> 10 * (step % 3) & 1023; };
        QCOMPARE(entry(0), 64 | static_cast<int>(Step::Kind::Note) << 7);
        QCOMPARE(entry(1) >> 7, static_cast<int>(Step::Kind::Tie));
        QCOMPARE(entry(2), 76 | static_cast<int>(Step::Kind::Note) << 7);
        QCOMPARE(entry(3) >> 7, static_cast<int>(Step::Kind::Rest));
        press("press-note"); // nothing records: nothing is written
        QCOMPARE(rig.told()[1], 4);
        press("press-load"); // as it is written: empty
        QCOMPARE(rig.told()[1], 0);
    }

    /// Stopped, the first channel passes its input on; a record that begins then clears the slot.
    void stoppedItPassesOn() {
        Step high;
        high.kind = Step::Kind::Note;
        high.note = 84;
        Pattern pattern;
        pattern.post = "q";
        pattern.tracks = {{"a", {high}, {}}};
        Rig rig("quantizer");
        rig.pattern(pattern).set("scale", 1).pulses("clock-1", clocks(8)).feed("in-1", 5.2 * kSemitone).set("play", 1);
        rig.run(0.3);
        QVERIFY(std::abs(at(rig, "out-1", 0.29) - 2.0) < 1e-5);
        rig.set("play", 0).run(0.2);
        QVERIFY(std::abs(at(rig, "out-1", 0.45) - 5 * kSemitone) < 1e-5);
    }

    void recordingOverwritesWhilePlayingAndClearsAfresh() {
        // Stopped: a fresh take of three notes, the second one a rest.
        Rig rig("quantizer");
        rig.pulses("record", {{0.0, 0.36}}).pulses("clock-1", clocks(3)).pulses("rest", {{0.12, 0.2}});
        rig.feed("in-1", [](double t) { return t < 0.2 ? 0.0 : 1.0; }).run(0.4);
        rig.set("play", 1).pulses("record", {}).pulses("rest", {});
        std::vector<Pulse> later;
        for (int n = 0; n < 6; ++n) later.push_back({0.5 + 0.1 * n, 0.55 + 0.1 * n});
        rig.pulses("clock-1", later).run(0.7);
        // Steps are counted on from where the take stopped: 1, 2 (rest), 3, …
        QCOMPARE(rig.rising("gate").size(), std::size_t{4});
    }

    /// What was recorded is told, step for step, and can be kept in the slot that it was recorded into.
    void whatWasRecordedIsToldAndKept() {
        Rig rig("quantizer");
        rig.set("scale", 1).set("slot", 2).set("length", 15);
        rig.feed("in-1", [](double t) { return (std::floor(t / 0.12) - 2.0) / 12.0; });
        std::vector<Pulse> rests;
        std::vector<Pulse> ties;
        for (int n = 0; n < 70; ++n) {
            if (n % 5 == 1) rests.push_back({0.12 * n + 0.01, 0.12 * n + 0.11});
            if (n % 5 == 2) ties.push_back({0.12 * n + 0.01, 0.12 * n + 0.11});
        }
        std::vector<Pulse> steps;
        for (int n = 0; n < 20; ++n) steps.push_back({0.12 * n + 0.06, 0.12 * n + 0.09});
        rig.pulses("record", {{0.001, 0.12 * 15 + 0.11}}).pulses("rest", rests).pulses("tie", ties);
        rig.pulses("clock-1", steps).run(2.5);
        const std::vector<Step> told = toldSteps(rig.told());
        QCOMPARE(told.size(), std::size_t{16});
        for (int n = 0; n < 16; ++n) {
            const Step& step = told[static_cast<std::size_t>(n)];
            QCOMPARE(step.kind, n % 5 == 1 ? Step::Kind::Rest : n % 5 == 2 ? Step::Kind::Tie : Step::Kind::Note);
            if (step.kind == Step::Kind::Note) QCOMPARE(step.note, 60 + n - 2);
        }
        Patch patch = demo("quantizer.json");
        const auto kept = keptPattern(patch, "quantizer", rig.told());
        QVERIFY(kept);
        QCOMPARE(kept->others.size(), std::size_t{2}); // slots B and C were begun
        QVERIFY(kept->tracksOf(2).front().steps == told);
        QVERIFY(!keptPattern(patch, "quantizer", Told{}));
        // Nothing comes to the record jack of this patch: its slot is as it was written.
        const auto silent = recordedPattern(patch, workspace().library, "quantizer", 1.0);
        QVERIFY(!silent);
        QVERIFY(silent.error().reason.str().find("nothing has been recorded") != std::string::npos);
        QVERIFY(recordedPattern(patch, workspace().library, "osc", 1.0).error().reason.str().find("quantizer") !=
                std::string::npos);
        // The bar of the clock at its record jack: for half of each bar, what it hears is taken.
        const Patch recording =
            *applyEdit(patch, TieCable{Cable{0, {"clock", "bar"}, {"quantizer", "record"}, {}, {}, {}, 0, {}, {}}, 0});
        const auto taken = recordedPattern(recording, workspace().library, "quantizer", 4.0);
        QVERIFY2(taken, taken ? "" : taken.error().text().c_str());
        QVERIFY(!taken->tracks.front().steps.empty());
    }

    /// Scales of one's own are Scala files, kept and found again; another scale of that name is not lost.
    void ownScalesAreKept() {
        QTemporaryDir folder;
        const std::filesystem::path data = folder.path().toStdString();
        QVERIFY(ownScales(data).empty());
        QVERIFY(saveScale(data, {"harbour", 0x4A9}));
        QVERIFY(saveScale(data, {"harbour", 0x4A9})); // the same again
        const auto other = saveScale(data, {"harbour", 0xAB5});
        QVERIFY(!other);
        QVERIFY(other.error().text().find("holds another scale") != std::string::npos);
        for (const char* name : {"", "  ", "../x", "a/b", ".hidden", "a\nb"})
            QVERIFY2(!saveScale(data, {name, 1}), name);
        QVERIFY(writeFile(data / "tunings/just.scl", "just\n 2\n 3/2\n 2/1\n", FileKind::Text)); // no semitones
        const auto found = ownScales(data);
        QCOMPARE(found.size(), std::size_t{1});
        QCOMPARE(found[0].name, std::string("harbour"));
        QCOMPARE(found[0].mask, 0x4A9u);
        const Workspace both = loadWorkspace(std::filesystem::path(LARIAT_SOURCE) / "data", data);
        QVERIFY(both.library.tunings().contains("harbour")); // a tuning like all others
    }

    void scalaFilesAreRead() {
        Sentence why;
        const auto just = readScala("! just.scl\n!\nA just scale\n 5\n!\n9/8\n 5/4\n 3/2\n 5/3 ! sixth\n 2/1\n", why);
        QVERIFY2(just.has_value(), why.str().c_str());
        QCOMPARE(just->cents.size(), std::size_t{5});
        QVERIFY(std::abs(just->cents[2] - 386.3137) < 1e-3);
        QCOMPARE(just->period, 1200.0);
        QVERIFY(std::abs(nearestNote(*just, 1580.0) - (1200.0 + 386.3137)) < 1e-3);
        QVERIFY(std::abs(nearestNote(*just, -10.0)) < 1e-9);
        for (const char* bad : {"", "name\nmany\n", "name\n 3\n 100.0\n", "name\n2\n abc\n 2/1\n", "name\n1\n 0/1\n"}) {
            why = {};
            QVERIFY(!readScala(bad, why));
            QVERIFY(!why.empty());
        }
    }

    void aTuningTakesThePlaceOfTheOwnNotes() {
        Rig rig("quantizer");
        rig.setup.material.tuning = std::make_shared<const Tuning>(Tuning{"just", {0.0, 386.3137, 701.955}, 1200.0});
        rig.set("scale", 0).feed("in-1", 0.6).run(0.1);
        QVERIFY(std::abs(1200.0 * at(rig, "out-1", 0.05) - 701.955) < 0.01);
    }
};

QTEST_GUILESS_MAIN(QuantizerTest)
#include "quantizer_test.moc"
