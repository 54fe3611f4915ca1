// Clocks that follow, dividers, multipliers, patterns and faders.
#include "support/analysis.h"
#include "support/patches.h"
#include "support/rig.h"

#include <QtTest>

#include <cmath>

#include <fmt/format.h>

using namespace lariat;
using namespace lariat::test;

namespace {

std::vector<Pulse> every(double period, int count, double first = 0.01, double open = 0.5) {
    std::vector<Pulse> pulses;
    for (int n = 0; n < count; ++n) pulses.push_back({first + n * period, first + (n + open) * period});
    return pulses;
}

} // namespace

class TimeBlocksTest : public QObject {
    Q_OBJECT

  private Q_SLOTS:
    void clockFollowsAnotherToTheSample() {
        Rig rig("clock");
        rig.set("ppqn", 2).pulses("clock", every(0.125, 60)).run(7.4); // four a beat: 120 BPM
        const auto& beats = rig.rising("beat");
        QVERIFY(beats.size() >= 13);
        for (std::size_t n = 0; n < beats.size(); ++n)
            QVERIFY2(std::abs(beats[n] - 0.01 - 0.5 * static_cast<double>(n)) < 2e-5,
                     qPrintable(QString::number(beats[n])));
        const auto& fine = rig.rising("ppqn-24");
        for (std::size_t n = 13; n < fine.size(); ++n) // once the pace is known
            QVERIFY(std::abs(fine[n] - 0.01 - static_cast<double>(n) / 48.0) < 1e-4);
    }

    void clockTakesItsTempoFromTaps() {
        Rig rig("clock");
        rig.pulses("tap", {{0.5, 0.52}, {1.1, 1.12}}).run(6.0);
        const auto& beats = rig.rising("beat");
        QVERIFY(std::abs(beats.back() - beats[beats.size() - 2] - 0.6) < 1e-6);
    }

    void clockRunsWhileItsGateIsHigh() {
        Rig rig("clock");
        rig.pulses("run", {{1.0, 2.1}}).run(4.0);
        QCOMPARE(rig.rising("beat").size(), std::size_t{3});
        QVERIFY(std::abs(rig.rising("beat").front() - 1.0) < 1e-5);
    }

    void everyDivisionSharesPhaseFromReset() {
        Rig rig("clock");
        rig.set("tempo", 240).run(40.0);
        const auto& ticks = rig.rising("times-8");
        for (const auto& [jack, every] : {std::pair{"by-64", 512}, {"by-3", 24}, {"times-4", 0}, {"by-16", 128}}) {
            if (every == 0) continue;
            const auto& edges = rig.rising(jack);
            for (std::size_t n = 0; n < edges.size(); ++n)
                QVERIFY(std::abs(edges[n] - ticks[n * static_cast<std::size_t>(every)]) < 1e-7);
        }
    }

    void dividersCountExactly_data() {
        QTest::addColumn<double>("series");
        QTest::addColumn<int>("output");
        QTest::addColumn<int>("divisor");
        QTest::newRow("whole 3") << 0.0 << 2 << 3;
        QTest::newRow("whole 8") << 0.0 << 7 << 8;
        QTest::newRow("prime 19") << 1.0 << 8 << 19;
        QTest::newRow("power 128") << 2.0 << 7 << 128;
    }
    /// Over 10^5 input pulses: every output rises at each d-th one and nowhere else.
    void dividersCountExactly() {
        QFETCH(double, series);
        QFETCH(int, output);
        QFETCH(int, divisor);
        constexpr double kPulses = 1e5;
        Rig rig("clock-divider");
        const double hertz = 5000.0;
        const double seconds = kPulses / hertz;
        rig.set("series", series)
            .feed("clock", [&](double t) { return 5.0 * std::sin(2.0 * kPi * hertz * t); })
            .run(seconds);
        const std::string jack = "out-" + std::to_string(output);
        const auto& edges = rig.rising(jack);
        QCOMPARE(edges.size(), static_cast<std::size_t>(std::ceil(kPulses / divisor)));
        for (std::size_t n = 1; n < edges.size(); ++n)
            QVERIFY(std::abs(edges[n] - edges[0] - static_cast<double>(n) * divisor / hertz) < 1e-6);
    }

    void divisionByThreeIsATwelfthDownWithoutAliases() {
        Rig vco("vco");
        const double volts = std::log2(3000.0 / 261.6255653);
        vco.feed("voct", volts).run(3.0);
        Rig rig("clock-divider");
        rig.feed("clock", vco.out("pulse")).run(3.0);
        const auto third = atFileRate(rig.out("out-2"));
        const double hertz = pitchOf(third, 48000.0);
        QVERIFY2(std::abs(1200.0 * std::log2(hertz / 1000.0)) < 0.5, qPrintable(QString::number(hertz)));
        const double floor = aliasFloor(third, 1000.0);
        qInfo("divider alias floor %.1f dB", floor);
        figure("clock-divider", fmt::format("÷3 of 3 kHz: aliases {:.0f} dB", floor));
        QVERIFY2(floor < -85.0, qPrintable(QString::number(floor)));
        // An odd division of a square is a square: no even harmonics.
        QVERIFY(amplitudeOf(rig.out("out-2"), 2000.0) < 0.02 * amplitudeOf(rig.out("out-2"), 1000.0));
    }

    void multiplierFollowsWithinOnePulse() {
        auto pulses = every(0.25, 8);
        for (int n = 0; n < 8; ++n) pulses.push_back({2.01 + 0.2 * n, 2.06 + 0.2 * n});
        Rig rig("clock-multiplier");
        rig.set("factor", 2).pulses("clock", pulses).run(3.5);
        const auto& edges = rig.rising("out");
        std::vector<double> late;
        for (const double edge : edges)
            if (edge > 2.25 && edge < 3.4) late.push_back(edge);
        for (std::size_t n = 1; n < late.size(); ++n) QVERIFY(std::abs(late[n] - late[n - 1] - 0.05) < 2e-6);
        QVERIFY(std::abs(late.front() - 2.26) < 1e-5);
        figure("clock-multiplier", "follows a tempo within one pulse, edges within 2 µs");
    }

    void multiplierHeldKeepsStill() {
        Rig rig("clock-multiplier");
        rig.pulses("clock", every(0.25, 12)).pulses("hold", {{1.0, 2.0}}).run(3.0);
        for (const double edge : rig.rising("out")) QVERIFY(edge < 1.001 || edge > 1.99);
    }

    void euclidSpreadsEvenly_data() {
        QTest::addColumn<int>("length");
        QTest::addColumn<int>("fill");
        QTest::addColumn<QString>("pattern");
        QTest::newRow("3 of 8") << 8 << 3 << QStringLiteral("x..x..x.");
        QTest::newRow("5 of 8") << 8 << 5 << QStringLiteral("x.x.xx.x");
        QTest::newRow("4 of 16") << 16 << 4 << QStringLiteral("x...x...x...x...");
        QTest::newRow("0 of 5") << 5 << 0 << QStringLiteral(".....");
    }
    void euclidSpreadsEvenly() {
        QFETCH(int, length);
        QFETCH(int, fill);
        QFETCH(QString, pattern);
        Rig rig("trigger-pattern");
        rig.set("length", length - 1)
            .set("fill", fill)
            .pulses("clock", every(0.01, 4 * length))
            .run(0.05 + 0.04 * length);
        QString got(length, QLatin1Char('.'));
        if (fill > 0)
            for (const double edge : rig.rising("hits")) {
                const auto step = std::lround((edge - 0.01) / 0.01);
                if (step < length) got[static_cast<qsizetype>(step)] = QLatin1Char('x');
            }
        // The same necklace, wherever it starts.
        const QString twice = got + got;
        QVERIFY2(twice.contains(pattern) && got.count(QLatin1Char('x')) == fill, qPrintable(got));
    }

    void chanceIsSeededAndFair() {
        figure("trigger-pattern", "chance within four standard deviations of 4,000 draws");
        const auto hits = [](std::uint64_t seed) {
            Rig rig("trigger-pattern", 96000.0, seed);
            rig.set("length", 0).set("fill", 1).set("probability", 30).pulses("clock", every(0.002, 4000)).run(8.1);
            return rig.rising("hits").size();
        };
        QCOMPARE(hits(7), hits(7));
        const auto got = static_cast<double>(hits(7));
        QVERIFY2(std::abs(got / 4000.0 - 0.3) < 0.03, qPrintable(QString::number(got))); // four standard deviations
    }

    /// A step lasts as many clock pulses as its own row says; its gate is open for half of that.
    void stepsHaveTheirOwnLength() {
        Rig rig("step-sequencer");
        rig.set("length", 2).set("fader-1", 100).set("fader-2", 50).set("fader-3", -50);
        rig.set("pulses-1", 2).set("pulses-3", 1); // three, one, and two pulses
        rig.pulses("clock", every(0.1, 13)).pulses("reset", {{1.05, 1.06}}).run(1.3);
        const auto at = [&](double seconds) {
            return static_cast<double>(rig.out("cv")[static_cast<std::size_t>(seconds * 96000)]);
        };
        const std::vector<double> wanted = {5, 5, 5, 2.5, -2.5, -2.5, 5, 5, 5, 2.5, -2.5, 5, 5};
        for (std::size_t n = 0; n < wanted.size(); ++n)
            QVERIFY2(std::abs(at(0.1 * static_cast<double>(n) + 0.05) - wanted[n]) < 1e-3,
                     qPrintable(QString::number(n)));
        QVERIFY(std::abs(at(1.15) - 5.0) < 1e-3); // reset: the next pulse is the first of step one
        QCOMPARE(rig.rising("first").size(), std::size_t{3});
        const auto& up = rig.rising("gate");
        const auto& down = rig.falling("gate");
        QVERIFY(std::abs(down[1] - up[1] - 0.05) < 1e-3); // the second step, half of one pulse
        QVERIFY(std::abs(down[3] - up[3] - 0.15) < 1e-3); // the first one again, half of three
    }

    void fadersPlayInOrderAndMerge() {
        figure("step-sequencer", "faders within 1 mV, merges exact");
        Rig rig("step-sequencer");
        rig.set("length", 3)
            .set("fader-1", 100)
            .set("fader-2", 50)
            .set("fader-3", -50)
            .set("fader-4", 20)
            .set("merge-4", 1);
        rig.pulses("clock", every(0.1, 9)).run(0.9);
        const auto at = [&](double seconds) {
            return static_cast<double>(rig.out("cv")[static_cast<std::size_t>(seconds * 96000)]);
        };
        QVERIFY(std::abs(at(0.05) - 5.0) < 1e-3);
        QVERIFY(std::abs(at(0.15) - 2.5) < 1e-3);
        QVERIFY(std::abs(at(0.25) + 2.5) < 1e-3);
        QVERIFY(std::abs(at(0.35) + 2.5) < 1e-3); // merged: the one before
        QVERIFY(std::abs(at(0.45) - 5.0) < 1e-3);
        QCOMPARE(rig.rising("gate").size(), std::size_t{7});  // nine steps, of which two are merged
        QCOMPARE(rig.rising("first").size(), std::size_t{3}); // steps 1, 5, 9
    }

    void variationsChangeWithTheirGroup() {
        Pattern pattern;
        pattern.post = "p";
        pattern.lanes = {{"a", test::hits("xxxx"), {}}, {"b", test::hits("x."), {}}};
        pattern.others = {{{}, {{"a", test::hits("...."), {}}, {"b", test::hits("xx"), {}}}}};
        Rig rig("track-sequencer");
        rig.pattern(pattern).feed("variation-cv", [](double t) { return t > 0.15 ? 1.0 : 0.0; });
        rig.pulses("clock", every(0.1, 12)).run(1.3);
        // The change comes when the leading lane starts over, at the fifth step; then lane b, too, plays its other
        // steps.
        QCOMPARE(rig.rising("drum-1").size(), std::size_t{4});
        QCOMPARE(rig.rising("drum-2").size(), std::size_t{2 + 8});
    }

    void stridesDivideAndTurn() {
        figure("track-sequencer", "division, direction, variations and strikes as written");
        Pattern pattern;
        pattern.post = "p";
        const auto note = [](int n) {
            Step step;
            step.kind = Step::Kind::Note;
            step.note = n;
            return step;
        };
        pattern.tracks = {{"up", {note(60), note(72), note(84)}, {1, Direction::Pendulum, 1}},
                          {"slow", {note(60), note(72)}, {3, Direction::Backward, 1}}};
        Rig rig("track-sequencer");
        rig.pattern(pattern).pulses("clock", every(0.1, 8)).run(0.85);
        const double expected[] = {0, 1, 2, 1, 0, 1, 2, 1};
        const double slow[] = {1, 1, 1, 0, 0, 0, 1, 1};
        for (int n = 0; n < 8; ++n) {
            const auto i = static_cast<std::size_t>((0.05 + 0.1 * n) * 96000);
            QCOMPARE(static_cast<double>(rig.out("pitch-1")[i]), expected[n]);
            QCOMPARE(static_cast<double>(rig.out("pitch-2")[i]), slow[n]);
        }
    }

    void repeatsChanceVelocityAndSlide() {
        Step step;
        step.kind = Step::Kind::Note;
        step.note = 72;
        step.repeats = 4;
        step.velocity = 127;
        step.cv = 2.5;
        Step slid = step;
        slid.note = 84;
        slid.repeats = 1;
        slid.slide = true;
        Step never = step;
        never.probability = 0.0;
        Pattern pattern;
        pattern.post = "p";
        pattern.tracks = {{"t", {step, slid, never}, {}}};
        Rig rig("track-sequencer");
        rig.pattern(pattern).pulses("clock", every(0.2, 4)).run(0.8);
        const auto& strikes = rig.rising("gate-1");
        // The second time round the interval is known: four strikes 50 ms apart.
        QVERIFY(std::abs(strikes.back() - strikes[strikes.size() - 2] - 0.05) < 1e-5);
        const auto at = [&](const char* jack, double seconds) {
            return static_cast<double>(rig.out(jack)[static_cast<std::size_t>(seconds * 96000)]);
        };
        QVERIFY(std::abs(at("velocity-1", 0.1) - 8.0) < 1e-5);
        QVERIFY(std::abs(at("cv-1", 0.1) - 2.5) < 1e-6);
        QVERIFY(std::abs(at("pitch-1", 0.26) - 1.5) < 0.01); // half way through the slide
        QVERIFY(std::abs(at("pitch-1", 0.35) - 2.0) < 1e-6);
        QVERIFY(std::none_of(strikes.begin(), strikes.end(), [](double t) { return t > 0.405 && t < 0.6; }));
    }
};

QTEST_GUILESS_MAIN(TimeBlocksTest)
#include "time_blocks_test.moc"
