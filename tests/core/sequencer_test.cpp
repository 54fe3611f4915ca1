// Track sequencer: steps, gates, ties, accents, lanes, reset; exact over many events.
#include "support/patches.h"
#include "support/rig.h"
#include "units/pitch.h"

#include <QtTest>

#include <cmath>

using namespace lariat;
using lariat::test::Pulse;
using lariat::test::Rig;

namespace {

constexpr double kStep = 0.1;

std::vector<Pulse> clocks(int count, double step = kStep, double first = 0.01) {
    std::vector<Pulse> out;
    for (int n = 0; n < count; ++n) out.push_back({first + n * step, first + n * step + step / 2});
    return out;
}

Step note(int number, double gate = 0.5, bool accent = false) {
    return {Step::Kind::Note, number, gate, accent};
}

Pattern twoTracks() {
    return {"tracks",
            {{"a", {note(60), note(64, 0.25), {}, note(67, 0.5, true)}},
             {"b", {note(48), {Step::Kind::Tie, 60, 1.0, false}, note(50)}}},
            {{"kick", test::hits("x..")}, {"hat", test::hits("xx")}}};
}

double at(const std::vector<float>& volts, double seconds) {
    return static_cast<double>(volts[static_cast<std::size_t>(std::lround(seconds * 96000.0))]);
}

} // namespace

class SequencerTest : public QObject {
    Q_OBJECT

  private Q_SLOTS:
    void playsItsNotes() {
        Rig rig("track-sequencer");
        rig.pattern(twoTracks()).pulses("clock", clocks(8)).run(0.85);
        const int expected[] = {60, 64, 64, 67, 60, 64, 64, 67}; // a rest keeps the pitch
        for (int n = 0; n < 8; ++n)
            QVERIFY(std::abs(at(rig.out("pitch-1"), 0.01 + n * kStep + 0.02) - noteToVolts(expected[n]).value) < 1e-6);
    }

    void gatesLastTheirPartOfAStep() {
        Rig rig("track-sequencer");
        rig.pattern(twoTracks()).pulses("clock", clocks(12)).run(1.3);
        const auto& on = rig.rising("gate-1");
        const auto& off = rig.falling("gate-1");
        QCOMPARE(on.size(), std::size_t{9});
        // From the second step on the length of a step is known.
        const double parts[] = {0.5, 0.25, 0.5};
        for (std::size_t n = 3; n < 9; ++n) QVERIFY(std::abs(off[n] - on[n] - parts[n % 3] * kStep) < 2e-6);
    }

    void pitchMovesWithTheGate() {
        Rig rig("track-sequencer");
        rig.pattern(twoTracks()).pulses("clock", clocks(4)).run(0.5);
        const auto sample = static_cast<std::size_t>(std::ceil(rig.rising("gate-1")[1] * 96000.0));
        QVERIFY(std::abs(static_cast<double>(rig.out("pitch-1")[sample]) - noteToVolts(64).value) < 1e-6);
        QVERIFY(std::abs(static_cast<double>(rig.out("pitch-1")[sample - 1]) - noteToVolts(60).value) < 1e-6);
    }

    void tiesSlur() {
        Rig rig("track-sequencer");
        rig.pattern(twoTracks()).pulses("clock", clocks(6)).run(0.7);
        // Track b: 48 tied over two steps, then 50: the gate opens twice in three steps.
        QCOMPARE(rig.rising("gate-2").size(), std::size_t{4});
        QVERIFY(at(rig.out("gate-2"), 0.01 + 0.9 * kStep) > 7.9);
        QVERIFY(at(rig.out("gate-2"), 0.01 + 1.2 * kStep) > 7.9);
    }

    void fullGatesRunIntoTheNextNote() {
        Pattern pattern{"tracks", {{"a", {note(60, 1.0), note(62, 1.0)}}}, {}};
        Rig rig("track-sequencer");
        rig.pattern(pattern).pulses("clock", clocks(6)).run(0.6);
        QCOMPARE(rig.rising("gate-1").size(), std::size_t{1});
    }

    void accentsMarkTheirStep() {
        Rig rig("track-sequencer");
        rig.pattern(twoTracks()).pulses("clock", clocks(8)).run(0.85);
        QVERIFY(at(rig.out("accent-1"), 0.01 + 3.2 * kStep) > 7.9);
        QVERIFY(at(rig.out("accent-1"), 0.01 + 0.2 * kStep) < 0.1);
    }

    void lanesGiveFiveMilliseconds() {
        Rig rig("track-sequencer");
        rig.pattern(twoTracks()).pulses("clock", clocks(9)).run(1.0);
        const auto& kick = rig.rising("drum-1");
        QCOMPARE(kick.size(), std::size_t{3});
        for (std::size_t n = 0; n < kick.size(); ++n) {
            QVERIFY(std::abs(kick[n] - 0.01 - 3.0 * static_cast<double>(n) * kStep) < 1e-6);
            QVERIFY(std::abs(rig.falling("drum-1")[n] - kick[n] - 0.005) < 1e-6);
        }
        QCOMPARE(rig.rising("drum-2").size(), std::size_t{9});
    }

    void resetMakesTheNextClockStepOne() {
        Rig rig("track-sequencer");
        rig.pattern(twoTracks()).pulses("clock", clocks(6)).pulses("reset", {{0.35, 0.355}}).run(0.7);
        QVERIFY(std::abs(at(rig.out("pitch-1"), 0.01 + 4 * kStep + 0.02) - noteToVolts(60).value) < 1e-6);
        QVERIFY(std::abs(at(rig.out("pitch-1"), 0.01 + 5 * kStep + 0.02) - noteToVolts(64).value) < 1e-6);
    }

    void resetTogetherWithAClockPlaysStepOne_data() {
        QTest::addColumn<double>("shift");
        QTest::newRow("reset first") << -0.0002;
        QTest::newRow("same time") << 0.0;
        QTest::newRow("clock first") << 0.0004;
    }
    void resetTogetherWithAClockPlaysStepOne() {
        QFETCH(double, shift);
        const double third = 0.01 + 2 * kStep;
        Rig rig("track-sequencer");
        rig.pattern(twoTracks())
            .pulses("clock", clocks(5))
            .pulses("reset", {{third + shift, third + shift + 0.005}})
            .run(0.5);
        QVERIFY(std::abs(at(rig.out("pitch-1"), third + 0.02) - noteToVolts(60).value) < 1e-6);
        QVERIFY(std::abs(at(rig.out("pitch-1"), third + kStep + 0.02) - noteToVolts(64).value) < 1e-6);
    }

    /// 100,000 clocks at a low rate of samples: not one step is lost or doubled.
    void nothingIsLostOverManySteps() {
        constexpr int count = 100'000;
        constexpr double step = 0.001;
        std::vector<float> clock;
        Rig rig("track-sequencer", 48000.0);
        for (int n = 0; n < count; ++n)
            for (int i = 0; i < 48; ++i) clock.push_back(i < 24 ? 5.0f : 0.0f);
        Pattern pattern{"tracks", {}, {{"seven", test::hits("x......")}}};
        rig.pattern(pattern).feed("clock", std::move(clock)).run(count * step);
        // The trigger of 5 ms outlasts the six clocks between two hits only just: 7 ms apart.
        QCOMPARE(rig.rising("drum-1").size(), static_cast<std::size_t>((count + 6) / 7));
    }

    void withoutAPatternItIsSilent() {
        Rig rig("track-sequencer");
        rig.pulses("clock", clocks(4)).run(0.5);
        for (const char* jack : {"gate-1", "gate-2", "drum-1", "drum-4"}) QVERIFY(rig.rising(jack).empty());
    }
};

QTEST_APPLESS_MAIN(SequencerTest)
#include "sequencer_test.moc"
