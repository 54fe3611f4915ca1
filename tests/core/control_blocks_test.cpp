// What moves and decides: eight-phase LFO, samples, chance, registers, detectors, logic, switches.
#include "support/analysis.h"
#include "support/rig.h"
#include "units/pitch.h"

#include <QtTest>

#include <cmath>
#include <cstring>

#include <fmt/format.h>
#include <set>

using namespace lariat;
using namespace lariat::test;

namespace {

double at(const Rig& rig, const char* jack, double seconds) {
    return static_cast<double>(rig.out(jack)[static_cast<std::size_t>(std::lround(seconds * 96000))]);
}

std::vector<Pulse> clocks(int count, double period = 0.01, double first = 0.005) {
    std::vector<Pulse> pulses;
    for (int n = 0; n < count; ++n) pulses.push_back({first + n * period, first + (n + 0.5) * period});
    return pulses;
}

} // namespace

class ControlBlocksTest : public QObject {
    Q_OBJECT

  private Q_SLOTS:
    void eightPhasesLie45DegreesApart() {
        Rig rig("phase-lfo");
        rig.set("rate", 10).run(2.0);
        for (int p = 0; p < 8; ++p) {
            const auto jack = "phase-" + std::to_string(45 * p);
            double worst = 0.0;
            for (double t = 0.5; t < 1.5; t += 0.00113) {
                const double late = 4.0 / 96000.0; // the band-limiting
                const double ideal = 5.0 * std::sin(2.0 * kPi * (10.0 * (t + 1.0 / 96000.0 - late) + p / 8.0));
                worst = std::max(worst, std::abs(at(rig, jack.c_str(), t) - ideal));
            }
            test::worst("phase-lfo", "eight phases of a sine", 1000.0 * worst, "mV of 5 V");
            QVERIFY2(worst < 0.005, qPrintable(QString::number(worst)));
        }
    }

    void theLfoReachesAudioCleanly() {
        Rig rig("phase-lfo");
        rig.set("rate", 500).set("shape", 2).feed("rate-cv", std::log2(1661.0 / 500.0)).run(3.0);
        const auto saw = atFileRate(rig.out("phase-90"));
        const double hertz = pitchOf(saw, 48000.0);
        QVERIFY(std::abs(1200.0 * std::log2(hertz / 1661.0)) < 0.2);
        QVERIFY2(aliasFloor(saw, hertz) < -80.0, qPrintable(QString::number(aliasFloor(saw, hertz))));
    }

    void tapsAndClocksSetItsPace() {
        Rig tapped("phase-lfo");
        tapped.pulses("tap", {{0.1, 0.11}, {0.35, 0.36}}).set("shape", 3).run(2.0);
        const auto rises = risingOf(tapped.out("phase-0"));
        QVERIFY(std::abs(rises.back() - rises[rises.size() - 2] - 0.25) < 1e-4);
        Rig clocked("phase-lfo");
        clocked.pulses("sync", clocks(40, 0.1)).set("shape", 3).run(4.0);
        const auto synced = risingOf(clocked.out("phase-0"));
        QVERIFY(std::abs(synced.back() - synced[synced.size() - 2] - 0.1) < 1e-4);
        const double off = std::remainder(synced.back() - 0.005 - 4.0 / 96000.0, 0.1);
        QVERIFY2(std::abs(off) < 0.002, qPrintable(QString::number(off)));
    }

    void sampledVoltagesAreThoseOfTheEdge() {
        figure("sample-hold", "voltage of the sub-sample edge within 0.1 mV");
        Rig rig("sample-hold");
        rig.feed("in", [](double t) { return 5.0 * std::sin(2.0 * kPi * 3.0 * t); })
            .pulses("trigger", {{0.0400013, 0.1}, {0.2, 0.3}})
            .run(0.4);
        QVERIFY(std::abs(at(rig, "held", 0.15) - 5.0 * std::sin(2.0 * kPi * 3.0 * 0.0400013)) < 1e-4);
        QVERIFY(std::abs(at(rig, "tracked", 0.25) - 5.0 * std::sin(2.0 * kPi * 3.0 * 0.25)) < 1e-3);
        QVERIFY(std::abs(at(rig, "tracked", 0.39) - 5.0 * std::sin(2.0 * kPi * 3.0 * 0.3)) < 2e-3);
    }

    void chanceIsSeeded() {
        figure("random-source", "the same for one seed; smooth no steeper than its raised cosine");
        const auto run = [](std::uint64_t seed) {
            Rig rig("random-source", 96000.0, seed);
            rig.set("rate", 100).run(3.0);
            return rig;
        };
        const Rig a = run(3);
        QVERIFY(a.out("smooth") == run(3).out("smooth"));
        QVERIFY(a.out("smooth") != run(4).out("smooth"));
        QVERIFY(std::abs(meanOf(a.out("stepped"))) < 0.6);
        double steepest = 0.0;
        for (std::size_t i = 1; i < a.out("smooth").size(); ++i)
            steepest = std::max(steepest, static_cast<double>(std::abs(a.out("smooth")[i] - a.out("smooth")[i - 1])));
        QVERIFY(steepest < 10.0 * kPi / 2.0 / 960.0 * 1.01); // a raised cosine's steepest place
    }

    void registerPeriods_data() {
        QTest::addColumn<double>("mode");
        QTest::addColumn<int>("period");
        QTest::newRow("lock 8") << 1.0 << 8;
        QTest::newRow("lock 16") << 2.0 << 16;
        QTest::newRow("127") << 3.0 << 127;
    }
    /// Exactly those periods, no shorter one, over thousands of clocks.
    void registerPeriods() {
        QFETCH(double, mode);
        QFETCH(int, period);
        Rig rig("shift-register");
        constexpr int kClocks = 4000;
        rig.set("mode", mode).set("state", 0b10110001).pulses("clock", {}).feed("clock", [](double t) {
            return std::fmod(t, 0.0005) < 0.00025 && t > 0.0004 ? 8.0 : 0.0;
        });
        rig.run(kClocks * 0.0005);
        std::vector<bool> bits;
        for (int n = 2; n < kClocks; ++n) bits.push_back(at(rig, "bit-1", (n + 0.25) * 0.0005) > 4.0);
        for (int shift = 1; shift <= period; ++shift) {
            bool same = true;
            for (std::size_t i = 300; same && i + static_cast<std::size_t>(shift) < bits.size(); ++i)
                same = bits[i] == bits[i + static_cast<std::size_t>(shift)];
            QCOMPARE(same, shift == period);
        }
    }

    void registerVoltagesBitsAndRestore() {
        Rig rig("shift-register");
        rig.set("mode", 1)
            .set("state", 0b01001010)
            .set("range", 7)
            .set("second-range", 7.5)
            .pulses("restore", {{0.002, 0.004}})
            .pulses("clock", {{0.05, 0.06}})
            .run(0.1);
        // Stages 2, 4, 7 are set: 4 + 2 + 1 of 7.
        QVERIFY(std::abs(at(rig, "cv", 0.03) - 7.0) < 1e-5);
        QVERIFY(std::abs(at(rig, "second", 0.03)) < 1e-6);
        QVERIFY(at(rig, "bit-2", 0.03) > 7.0 && at(rig, "bit-1", 0.03) < 0.1);
        // Shifted once with lock 8: stages 3, 5, 8.
        QVERIFY(std::abs(at(rig, "second", 0.08) - 7.5 * (4.0 + 2.0) / 15.0) < 1e-5);
        QVERIFY(at(rig, "pair-34", 0.08) < 0.1);
    }

    /// The knob that holds the state brings it at once when it is moved, and its button whenever it is pressed.
    void aStateIsGoneBackTo() {
        Rig rig("shift-register");
        rig.set("mode", 1).set("state", 0b00000001).set("range", 7).pulses("clock", clocks(3, 0.01, 0.005));
        rig.run(0.05);
        QCOMPARE(rig.told()[0], 0b00001000); // three clocks on
        rig.set("press-restore", 1).run(0.01);
        QCOMPARE(rig.told()[0], 0b00000001);
        rig.set("press-restore", 0).set("state", 0b10100000).run(0.01);
        QCOMPARE(rig.told()[0], 0b10100000);
        rig.set("press-restore", 1).run(0.01);
        QCOMPARE(rig.told()[0], 0b10100000);
    }

    /// Gates change rate and length over and back; the second voltage is the sum of its stages by the weights.
    void chaosIsSteeredByGatesAndWeights() {
        const auto period = [](double mode, std::vector<Pulse> length) {
            Rig rig("shift-register");
            rig.set("mode", mode).set("state", 0b10110001).pulses("length-gate", std::move(length));
            rig.pulses("clock", clocks(100, 0.01, 0.105)).run(1.1);
            std::vector<bool> bits;
            for (int n = 0; n < 60; ++n) bits.push_back(at(rig, "bit-1", 0.4 + 0.01 * n + 0.0025) > 4.0);
            for (std::size_t shift = 1; shift <= 20; ++shift)
                if (std::equal(bits.begin(), bits.end() - 20, bits.begin() + static_cast<long>(shift)))
                    return static_cast<int>(shift);
            return 0;
        };
        QCOMPARE(period(1, {}), 8);
        QCOMPARE(period(1, {{0.02, 0.03}}), 16);
        QCOMPARE(period(1, {{0.02, 0.03}, {0.05, 0.06}}), 8);
        QCOMPARE(period(2, {{0.02, 0.03}}), 8);
        const auto changes = [](double rate, std::vector<Pulse> toggles) {
            Rig rig("shift-register");
            rig.set("mode", 2).set("rate", rate).set("state", 0b01010101).pulses("rate-gate", std::move(toggles));
            rig.pulses("clock", clocks(40, 0.01, 0.105)).run(0.6);
            return rig.rising("bit-1").size() + rig.falling("bit-1").size();
        };
        QVERIFY(5 * changes(0, {{0.02, 0.03}}) > 9 * changes(0, {}));
        QCOMPARE(changes(1, {{0.02, 0.03}}), changes(0, {}));
        QCOMPARE(changes(0, {{0.02, 0.03}, {0.05, 0.06}}), changes(0, {}));
        Rig weights("shift-register");
        weights.set("state", 0b00110101).set("second-range", 7.5); // stages 1, 3, 5, 6
        weights.set("weight-1", 10).set("weight-3", 80).set("weight-5", 0).set("weight-6", 33);
        weights.pulses("restore", {{0.002, 0.004}}).run(0.05);
        QVERIFY(std::abs(at(weights, "second", 0.03) - 7.5 * 123.0 / 187.5) < 1e-5);
    }

    /// Up within milliseconds, down ever more slowly: an exponential whose time constant grows from 30 to 180 ms.
    void theOptoLagsDownOnly() {
        figure("opto-lag", "rise of 4 ms, fall within 2 % of its law");
        for (const double response : {100.0, 250.0}) {
            Rig rig("opto-lag");
            rig.set("response", response)
                .feed("in", [](double t) { return t < 0.1013 ? 0.0
                                                  : t < 0.4  ? 6.0
                                                             : 0.0; })
                .run(1.5);
            const double slow = 0.01 * response;
            QVERIFY(std::abs(at(rig, "out", 0.1013 + 0.004 * slow) - 6.0 * (1.0 - std::exp(-1.0))) < 0.03);
            double r = at(rig, "out", 0.4) / 8.0;
            for (double t = 0.4; t < 1.4; t += 1e-5) { // its law, by Euler's rule
                r -= 1e-5 * r / (slow * 0.03 * (1.0 + 5.0 * (1.0 - r) * (1.0 - r)));
                if (std::fmod(t, 0.1) < 1e-5)
                    QVERIFY(std::abs(at(rig, "out", t + 1e-5) - 8.0 * r) < 0.02 * 8.0 * r + 0.002);
            }
        }
        for (const double volts : {12.0, -12.0, std::nan("")}) {
            Rig wild("opto-lag");
            wild.feed("in", volts).run(0.2);
            QVERIFY(peakOf(wild.out("out")) <= 8.0);
        }
    }

    void detectorsSeeWhatMoves() {
        Rig rig("comparator");
        rig.set("gate-time", 0.002).set("threshold", 1).set("window", 1);
        rig.feed("a", [](double t) { return t < 0.1   ? 0.0
                                            : t < 0.2 ? 20.0 * (t - 0.1)
                                            : t < 0.3 ? 2.0
                                                      : 1.5; })
            .run(0.4);
        QVERIFY(std::abs(rig.rising("rising").front() - 0.1) < 0.005);
        QVERIFY(std::abs(rig.rising("falling").front() - 0.3) < 0.001);
        QVERIFY(std::abs(rig.rising("above").front() - 0.15) < 1e-4);
        QVERIFY(std::abs(rig.rising("window").front() - 0.15) < 1e-4);
        QVERIFY(rig.rising("moving").size() >= 2);
    }

    void pitchChangeTriggersFireOnEverySemitoneAndNothingElse() {
        const double notes[] = {0, 1, 1, 3, 3.04, 3, 2, 14, 14, 13.97};
        Rig rig("comparator");
        rig.feed("a", [&](double t) { return notes[std::min(9, static_cast<int>(t / 0.1))] / 12.0; }).run(1.0);
        const auto& steps = rig.rising("step");
        figure("comparator", "a step on every change of a semitone, none else");
        QCOMPARE(steps.size(), std::size_t{4}); // 0→1, 1→3, 3→2, 2→14; the trembling ones are none
        const double expected[] = {0.1, 0.3, 0.6, 0.7};
        for (std::size_t n = 0; n < 4; ++n) QVERIFY(std::abs(steps[n] - expected[n] - 0.001) < 1e-4);
    }

    /// A glide is no jump, however far it goes; nor is trembling, or a spike.
    void aGlideIsNoJump() {
        for (const double rate : {48000.0, 96000.0, 192000.0})
            for (const char* type : {"comparator", "detector"}) {
                const char* jump = std::strcmp(type, "detector") == 0 ? "jump-a" : "step";
                Rig glide(type, rate);
                glide.feed("a", [](double t) { return t - 2.0; }).run(4.0); // 1 V/s
                QCOMPARE(glide.rising(jump).size(), std::size_t{0});
                Rig fast(type, rate);
                fast.feed("a", [](double t) { return std::clamp((t - 0.1) / 0.0313, 0.0, 1.0); }).run(0.3); // 32 V/s
                QCOMPARE(fast.rising(jump).size(), std::size_t{0});
                Rig vibrato(type, rate);
                vibrato.feed("a", [](double t) { return 0.05 * std::sin(2.0 * kPi * 6.3 * t); }).run(1.0);
                QCOMPARE(vibrato.rising(jump).size(), std::size_t{0});
                Rig spike(type, rate);
                spike.feed("a", [](double t) { return t > 0.1 && t < 0.1003 ? 1.0 : 0.0; }).run(0.3);
                QCOMPARE(spike.rising(jump).size(), std::size_t{0});
                Rig semitone(type, rate);
                semitone.feed("a", [](double t) { return t < 0.1003 ? 0.0 : 1.0 / 12.0; }).run(0.3);
                QCOMPARE(semitone.rising(jump).size(), std::size_t{1});
                QVERIFY(std::abs(semitone.rising(jump).front() - 0.1013) < 1e-4);
            }
    }

    /// A melody of jumps and a glide: every gate is as long as the one gate time, the comparisons' too; the second
    /// channel is the first; envelopes follow rising and falling.
    void aDetectorMakesRhythm() {
        Rig rig("detector");
        rig.set("gate-time", 0.0173).set("release-1", 0.0531).set("release-2", 0.0217);
        const double notes[] = {0, 4, 4, 2, 7}; // semitones, each 0.1 s; then it glides down for 0.2 s
        rig.feed("a",
                 [&](double t) {
                     const auto n = static_cast<std::size_t>(t / 0.1);
                     return (n < 5 ? notes[n] : std::max(0.0, 7.0 - 35.0 * (t - 0.5))) / 12.0;
                 })
            .feed("b", [](double t) { return t < 0.35 ? 3.0 / 12.0 : 5.0 / 12.0; })
            .run(1.0);
        const auto near = [](const std::vector<double>& found, std::vector<double> wanted, double within) {
            if (found.size() != wanted.size()) return false;
            for (std::size_t i = 0; i < found.size(); ++i)
                if (std::abs(found[i] - wanted[i]) > within) return false;
            return true;
        };
        QVERIFY(near(rig.rising("jump-a"), {0.101, 0.301, 0.401}, 2e-4));
        QVERIFY(near(rig.rising("rising-a"), {0.1, 0.4}, 2e-4));
        QVERIFY(near(rig.rising("falling-a"), {0.3, 0.5}, 0.003));
        QVERIFY(near(rig.rising("above"), {0.1, 0.4}, 2e-4)); // 4 over 3; 2 is below; 7 over 5
        QVERIFY(near(rig.rising("below"), {0.005, 0.3, 0.5571}, 0.01));
        QVERIFY(rig.rising("jump-b").size() == 1);
        for (const char* jack : {"jump-a", "rising-a", "above", "jump-b"})
            for (std::size_t n = 0; n < rig.rising(jack).size(); ++n)
                QVERIFY2(std::abs(rig.falling(jack)[n] - rig.rising(jack)[n] - 0.0173) < 2e-4, jack);
        // The glide is one gate that lasts as long as it moves, and a gate time after it began at least.
        QVERIFY(std::abs(rig.falling("falling-a").back() - 0.7) < 0.01);
        QVERIFY(std::abs(at(rig, "through-b", 0.2) - 0.25) < 1e-6);
        // 8 V at once, and nothing after the release time; half way by the formula.
        const double half = 8.0 * (std::exp(-3.0) - std::exp(-6.0)) / (1.0 - std::exp(-6.0));
        QVERIFY(at(rig, "envelope-1", 0.1002) > 7.7);
        QVERIFY(std::abs(at(rig, "envelope-1", rig.rising("rising-a").front() + 0.5 * 0.0531) - half) < 0.01);
        QVERIFY(at(rig, "envelope-1", 0.1002 + 0.0532) == 0.0);
        QVERIFY(at(rig, "envelope-2", 0.2) == 0.0 && at(rig, "envelope-2", 0.3005) > 6.5);

        Rig alone("detector"); // the second is the first
        alone.feed("a", [](double t) { return t < 0.1 ? 0.0 : 1.0; }).run(0.3);
        QCOMPARE(alone.rising("jump-b").size(), std::size_t{1});
        QCOMPARE(alone.rising("above").size() + alone.rising("below").size(), std::size_t{0});

        Rig quiet("detector"); // struck by a jack, as loud as the trigger is high
        quiet.set("release-1", 0.1).feed("strike-1", [](double t) { return t > 0.1 && t < 0.11 ? 4.0 : 0.0; }).run(0.3);
        QVERIFY(std::abs(at(quiet, "envelope-1", 0.15) - 0.5 * half) < 0.02);
    }

    /// Clocked: judged at the clock, against the clock before, and at no other time.
    void aClockedDetectorWaitsForItsClock() {
        Rig rig("detector");
        rig.set("clocked", 1).set("gate-time", 0.01);
        rig.feed("a", [](double t) { return t < 0.13 ? 0.0 : t < 0.27 ? 0.5 : t < 0.29 ? 3.0 : 0.5; });
        rig.pulses("clock", {{0.1007, 0.11}, {0.2007, 0.21}, {0.3007, 0.31}, {0.4007, 0.41}}).run(0.5);
        QCOMPARE(rig.rising("jump-a").size(), std::size_t{1}); // what came and went between two clocks is not seen
        QVERIFY(std::abs(rig.rising("jump-a").front() - 0.2007) < 2e-5);
        QCOMPARE(rig.rising("rising-a").size(), std::size_t{1});
        QCOMPARE(rig.rising("falling-a").size(), std::size_t{0});
        QVERIFY(std::abs(rig.falling("jump-a").front() - 0.2107) < 2e-4);
    }

    void comparedEdgesAreExact() {
        Rig rig("comparator");
        rig.feed("a", [](double t) { return 5.0 * std::sin(2.0 * kPi * 440.0 * t); }).feed("b", 0.0).run(1.0);
        const auto& edges = rig.rising("above");
        for (std::size_t n = 2; n < edges.size(); ++n) QVERIFY(std::abs(edges[n] - edges[n - 1] - 1.0 / 440.0) < 1e-7);
    }

    void logicOfTwoGates() {
        figure("logic", "edges of every output within 2 µs");
        Rig rig("logic");
        rig.set("delay", 0.05).set("length", 0.015).set("chance", 100);
        rig.pulses("a", {{0.1, 0.3}, {0.5, 0.6}}).pulses("b", {{0.2, 0.4}}).run(0.8);
        const auto span = [&](const char* jack) {
            return std::pair{rig.rising(jack).front(), rig.falling(jack).front()};
        };
        const auto near = [](double a, double b) { return std::abs(a - b) < 2e-6; };
        QVERIFY(near(span("and").first, 0.2) && near(span("and").second, 0.3));
        QVERIFY(near(span("or").first, 0.1) && near(span("or").second, 0.4));
        QCOMPARE(rig.rising("xor").size(), std::size_t{3});
        QVERIFY(near(span("delayed").first, 0.15) && near(span("delayed").second, 0.35));
        QVERIFY(near(span("length").second, 0.115));
        QVERIFY(near(span("flip-flop").first, 0.1) && near(span("flip-flop").second, 0.2)); // b clears it
        QVERIFY(near(rig.rising("on-fall").front(), 0.3));
        QVERIFY(at(rig, "nand", 0.25) < 0.1 && at(rig, "nand", 0.35) > 7.0 && at(rig, "not", 0.05) > 7.0);
        QCOMPARE(rig.rising("let").size(), std::size_t{2});
    }

    void switchesStepAndFade() {
        figure("sequential-switch", "levels within 10 µV, fade 2 ms");
        for (const double fade : {0.0, 1.0}) {
            Rig rig("sequential-switch");
            for (int n = 1; n <= 4; ++n) rig.feed("in-" + std::to_string(n), n);
            rig.set("fade", fade).set("steps", 2).feed("common", 5.0).pulses("clock", clocks(6, 0.02)).run(0.2);
            const double expected[] = {1, 2, 3, 4, 1, 2, 3};
            for (int n = 0; n < 6; ++n) {
                QVERIFY(std::abs(at(rig, "one", n * 0.02 + 0.004) - expected[n]) < 1e-5);
                QVERIFY(std::abs(at(rig, "many-1", n * 0.02 + 0.004) - (expected[n] == 1 ? 5.0 : 0.0)) < 1e-5);
                QVERIFY(std::abs(at(rig, "turned-2", n * 0.02 + 0.004) - (expected[n] == 4 ? 1 : expected[n] + 1)) <
                        1e-5);
            }
            if (fade == 1.0) QVERIFY(std::abs(at(rig, "one", 0.006) - 1.5) < 0.02); // half way, 1 ms later
        }
    }

    void slewIsLinearOrExponential() {
        figure("slew", "within 10 mV of line and exponential");
        Rig rig("slew");
        rig.set("rise", 0.1).set("fall", 0.1).feed("in", [](double t) { return t > 0.1 ? 5.0 : 0.0; }).run(0.5);
        QVERIFY(std::abs(at(rig, "out", 0.125) - 2.5) < 0.01);
        Rig lag("slew");
        lag.set("rise", 0.1).set("law", 1).feed("in", [](double t) { return t > 0.1 ? 5.0 : 0.0; }).run(0.5);
        QVERIFY(std::abs(at(lag, "out", 0.12) - 5.0 * (1.0 - std::exp(-1.0))) < 0.01);
    }

    void addsExactly() {
        Rig rig("adder");
        rig.set("octaves", 5).feed("a", 1.0 / 3.0).feed("b", -0.25).feed("c", 2.0).feed("d", 0.7).run(0.01);
        test::worst("adder", "sum", 1e6 * (at(rig, "sum", 0.005) - (1.0 / 3.0 - 0.25 + 2.0 - 0.7 + 1.0)), "µV");
        QVERIFY(std::abs(at(rig, "sum", 0.005) - (1.0 / 3.0 - 0.25 + 2.0 - 0.7 + 1.0)) < 1e-6);
    }

    void wavesAreRectifiedAndCompared() {
        figure("rectifier", "means within 10 mV of 2/π");
        Rig rig("rectifier");
        rig.feed("a", [](double t) { return 4.0 * std::sin(2.0 * kPi * 20.0 * t); }).feed("b", 1.0).run(0.2);
        QVERIFY(std::abs(meanOf(rig.out("full")) - 4.0 * 2.0 / kPi) < 0.01);
        QVERIFY(std::abs(at(rig, "max", 0.0375) - 1.0) < 0.01 && std::abs(at(rig, "min", 0.0375) + 4.0) < 0.01);
        QVERIFY(std::abs(at(rig, "positive", 0.0375)) < 0.001 && std::abs(at(rig, "negative", 0.0375) + 4.0) < 0.01);
    }

    void fadesAndCrosses() {
        figure("crossfader", "gains within 10 ppm");
        figure("matrix", "sums within 10 µV");
        Rig rig("crossfader");
        rig.set("fade", 25).feed("a", 4.0).feed("b", -4.0).run(0.01);
        QVERIFY(std::abs(at(rig, "out", 0.005) - 2.0) < 1e-5 && std::abs(at(rig, "other", 0.005) + 2.0) < 1e-5);
        Rig power("crossfader");
        power.set("law", 1).feed("a", 1.0).run(0.01);
        QVERIFY(std::abs(at(power, "out", 0.005) - std::sqrt(0.5)) < 1e-5);
        Rig matrix("matrix");
        matrix.set("amount-12", 50).set("amount-32", -100).feed("in-1", 4.0).feed("in-3", 1.0).run(0.01);
        QVERIFY(std::abs(at(matrix, "out-2", 0.005) - 1.0) < 1e-5 && at(matrix, "out-1", 0.005) == 0.0);
    }

  private:
    static std::vector<double> risingOf(const std::vector<float>& volts) {
        std::vector<double> edges;
        for (std::size_t i = 1; i < volts.size(); ++i)
            if (volts[i - 1] < 0.0f && volts[i] >= 0.0f)
                edges.push_back((static_cast<double>(i) - static_cast<double>(volts[i] / (volts[i] - volts[i - 1]))) /
                                96000.0);
        return edges;
    }
    static long highest(const std::vector<float>& volts) {
        return std::max_element(volts.begin(), volts.end()) - volts.begin();
    }
};

QTEST_GUILESS_MAIN(ControlBlocksTest)
#include "control_blocks_test.moc"
