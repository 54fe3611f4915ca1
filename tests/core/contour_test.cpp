// Contour: exact stage times, curves, and what gates and triggers do to it.
#include "building/capacity.h"
#include "engine/envelope_shape.h"
#include "engine/render.h"
#include "measure/measure.h"
#include "support/analysis.h"
#include "support/patches.h"
#include "support/rig.h"

#include <QtTest>

#include <cmath>

using namespace lariat;
using namespace lariat::test;

namespace {

/// First time after `from` at which the signal passes `level` upward or downward.
double crossing(const std::vector<float>& volts, double level, bool upward, double from, double rate = 96000.0) {
    for (auto i = static_cast<std::size_t>(from * rate) + 1; i < volts.size(); ++i) {
        const auto a = static_cast<double>(volts[i - 1]);
        const auto b = static_cast<double>(volts[i]);
        if (upward ? a < level && b >= level : a > level && b <= level)
            return (static_cast<double>(i - 1) + (level - a) / (b - a)) / rate;
    }
    return -1.0;
}

double at(const std::vector<float>& volts, double seconds, double rate = 96000.0) {
    return static_cast<double>(volts[static_cast<std::size_t>(std::lround(seconds * rate))]);
}

/// The stage curve s(u) of the block's header.
double shape(double u, double curve) {
    const double c = 6.0 * 0.01 * curve;
    return c < 0.01 ? u : (1.0 - std::exp(-c * u)) / (1.0 - std::exp(-c));
}

} // namespace

class ContourTest : public QObject {
    Q_OBJECT

  private Q_SLOTS:
    /// The button holds the contour open whatever is plugged in, and strikes the loop as a trigger does.
    void aHandHoldsItOpen() {
        Rig rig("contour");
        rig.set("type", 0).set("sustain", 50).set("attack", 0.01).set("decay", 0.02).set("release", 0.05);
        rig.pulses("gate", {{0.2, 0.25}}).run(0.1);
        rig.set("press-gate", 1).run(0.3);
        const auto level = [&](double seconds) { return static_cast<double>(rig.out("out")[idx(seconds * 96000)]); };
        QVERIFY(level(0.09) == 0.0);
        QVERIFY(std::abs(level(0.19) - 4.0) < 0.01 && std::abs(level(0.39) - 4.0) < 0.01); // the gate changes nothing
        rig.set("press-gate", 0).run(0.2);
        QVERIFY(std::abs(level(0.47)) < 0.01);
        // In the loop it restarts, and holds the next turn back as long as it is down.
        Rig loop("contour");
        loop.set("type", 1).set("loop", 1).set("sustain", 0).set("attack", 0.02).set("release", 0.02).run(0.1);
        const std::size_t turns = loop.rising("end").size();
        QVERIFY(turns >= 2);
        loop.set("press-gate", 1).run(0.5);
        QVERIFY(std::abs(loop.out("out").back()) < 0.01f); // it waits
        loop.set("press-gate", 0).run(0.1);
        QVERIFY(loop.rising("end").size() > turns + 1);
    }

    void stageTimesAreExact_data() {
        QTest::addColumn<double>("attack");
        QTest::addColumn<double>("decay");
        QTest::addColumn<double>("curve");
        for (const double curve : {0.0, 50.0, 100.0})
            for (const auto& [attack, decay] : {std::pair{0.0003, 0.002}, {0.012, 0.082}, {0.4, 1.3}})
                QTest::addRow("%g + %g s, curve %g", attack, decay, curve) << attack << decay << curve;
    }
    /// Within 0.1 ms or 0.5 %: the attack reaches 8 V, the decay its sustain, when the knobs say.
    void stageTimesAreExact() {
        figure("contour", "stage times within 0.5 % or 20 µs, straight to exponential");
        QFETCH(double, attack);
        QFETCH(double, decay);
        QFETCH(double, curve);
        const double on = 0.0123456;
        Rig rig("contour");
        rig.set("attack", attack)
            .set("decay", decay)
            .set("sustain", 40)
            .set("curve", curve)
            .pulses("gate", {{on, 5.0}})
            .run(on + attack + decay + 0.1);
        const auto& out = rig.out("out");
        // Half-way in level is passed where the curve says.
        for (const double u : {0.25, 0.5, 0.75}) {
            const double level = 8.0 * shape(u, curve);
            const double time = crossing(out, level, true, on);
            QVERIFY2(std::abs(time - on - u * attack) < std::max(2e-5, 0.005 * attack),
                     qPrintable(QString::number(time - on - u * attack)));
            const double falling = 8.0 - 0.6 * 8.0 * shape(u, curve);
            const double fell = crossing(out, falling, false, on + attack * 0.99);
            QVERIFY(std::abs(fell - on - attack - u * decay) < std::max(2e-5, 0.005 * decay));
        }
        QVERIFY(std::abs(at(out, on + attack + decay + 0.05) - 3.2) < 1e-3);
    }

    void releaseFallsToZero() {
        Rig rig("contour");
        rig.set("attack", 0.001)
            .set("decay", 0.01)
            .set("sustain", 50)
            .set("release", 0.2)
            .set("curve", 0)
            .pulses("gate", {{0.1, 0.3}})
            .run(0.7);
        const auto& out = rig.out("out");
        QVERIFY(std::abs(at(out, 0.29) - 4.0) < 1e-3);
        QVERIFY(std::abs(at(out, 0.4) - 2.0) < 0.01);
        QVERIFY(std::abs(at(out, 0.51)) < 1e-6);
    }

    void stagesStartWithinTheSample() {
        // Two gates whose starts differ by 0.4 samples give ramps that differ by 0.4 samples.
        const auto ramp = [](double on) {
            Rig rig("contour");
            rig.set("attack", 0.01).set("curve", 0).pulses("gate", {{on, 1.0}}).run(0.1);
            return at(rig.out("out"), 0.105 - 0.1 + 0.05);
        };
        const double a = ramp(0.05 + 0.1 / 96000.0);
        const double b = ramp(0.05 + 0.5 / 96000.0);
        QVERIFY(std::abs((a - b) - 8.0 * 0.4 / 960.0) < 1e-4);
    }

    void outputsAreRelated() {
        Rig rig("contour");
        rig.pulses("gate", {{0.01, 0.2}}).run(0.5);
        for (std::size_t i = 0; i < rig.out("out").size(); i += 7) {
            QVERIFY(std::abs(rig.out("inverted")[i] + rig.out("out")[i]) < 1e-5f);
            QVERIFY(std::abs(rig.out("bipolar")[i] - (rig.out("out")[i] / 0.8f - 5.0f)) < 1e-4f);
        }
    }

    void arHoldsAtItsPeak() {
        Rig rig("contour");
        rig.set("type", 1).set("attack", 0.01).set("release", 0.05).pulses("gate", {{0.1, 0.4}}).run(0.6);
        QVERIFY(std::abs(at(rig.out("out"), 0.39) - 8.0) < 1e-4);
        QVERIFY(at(rig.out("out"), 0.46) < 1e-4);
    }

    void adIgnoresTheGatesEnd() {
        Rig rig("contour");
        rig.set("type", 2)
            .set("attack", 0.01)
            .set("decay", 0.2)
            .set("curve", 0)
            .pulses("gate", {{0.1, 0.103}})
            .run(0.5);
        QVERIFY(std::abs(at(rig.out("out"), 0.11) - 8.0) < 0.02);
        QVERIFY(std::abs(at(rig.out("out"), 0.21) - 4.0) < 0.02);
        QVERIFY(at(rig.out("out"), 0.32) < 1e-4);
        // … and a gate that stays open does not hold it.
        Rig held("contour");
        held.set("type", 2).set("attack", 0.01).set("decay", 0.2).pulses("gate", {{0.1, 2.0}}).run(0.5);
        QVERIFY(at(held.out("out"), 0.32) < 1e-4);
    }

    void shortGateJumpsToReleaseOrFinishes() {
        const auto peak = [](double policy) {
            Rig rig("contour");
            rig.set("attack", 0.1)
                .set("decay", 0.1)
                .set("sustain", 0)
                .set("release", 0.01)
                .set("curve", 0)
                .set("short-gate", policy)
                .pulses("gate", {{0.05, 0.07}})
                .run(0.5);
            return measureLevel(rig.out("out")).max.value;
        };
        QVERIFY(std::abs(peak(0) - 1.6) < 0.01); // 20 ms of 100 ms
        QVERIFY(std::abs(peak(1) - 8.0) < 0.01);
    }

    void retriggerStartsFromThePresentLevelOrFromZero() {
        const auto afterSecond = [](double policy) {
            Rig rig("contour");
            rig.set("type", 1).set("attack", 0.1).set("release", 1.0).set("curve", 0).set("from-zero", policy);
            rig.pulses("gate", {{0.05, 0.2}, {0.3, 0.5}}).run(0.31);
            return at(rig.out("out"), 0.302);
        };
        QVERIFY(afterSecond(0) > 7.0);
        QVERIFY(afterSecond(1) < 0.3);
    }

    void retriggerStrikesAgainWhileTheGateIsOpen() {
        Rig rig("contour");
        rig.set("attack", 0.02)
            .set("decay", 0.05)
            .set("sustain", 20)
            .set("curve", 0)
            .pulses("gate", {{0.05, 0.4}})
            .pulses("retrigger", {{0.25, 0.255}})
            .run(1.0);
        QVERIFY(std::abs(at(rig.out("out"), 0.2) - 1.6) < 0.01);
        QVERIFY(at(rig.out("out"), 0.269) > 7.0);
        QVERIFY(std::abs(at(rig.out("out"), 0.39) - 1.6) < 0.01); // and comes to its sustain again
    }

    void levelScalesTheWhole() {
        Rig rig("contour");
        rig.set("level", 25).set("type", 1).pulses("gate", {{0.01, 0.5}}).run(0.3);
        QVERIFY(std::abs(at(rig.out("out"), 0.25) - 2.0) < 1e-4);
    }

    void twoStrikesFromOneTrigger() {
        Rig rig("contour");
        rig.set("type", 4)
            .set("attack", 0.01)
            .set("decay", 0.05)
            .set("sustain", 20)
            .set("release", 0.1)
            .set("curve", 0);
        rig.pulses("gate", {{0.1, 0.105}}).run(0.5);
        const auto at = [&](double t) {
            return static_cast<double>(rig.out("out")[static_cast<std::size_t>(t * 96000)]);
        };
        QVERIFY(std::abs(at(0.11) - 8.0) < 0.02 && std::abs(at(0.16) - 1.6) < 0.02 && std::abs(at(0.17) - 8.0) < 0.02);
        QVERIFY(std::abs(at(0.22) - 4.0) < 0.02 && std::abs(rig.rising("end").front() - 0.27) < 1e-4);
    }

    void everyStageHasItsGateAndItsPart() {
        figure("contour", "stage gates within 0.1 ms");
        Rig rig("contour");
        rig.set("attack", 0.05).set("decay", 0.1).set("sustain", 50).set("release", 0.15).set("curve", 0);
        rig.pulses("gate", {{0.1, 0.4}}).run(0.8);
        const double starts[] = {0.1, 0.15, 0.25, 0.4};
        const double ends[] = {0.15, 0.25, 0.4, 0.55};
        const char* gates[] = {"attack-gate", "decay-gate", "sustain-gate", "release-gate"};
        const char* parts[] = {"attack-part", "decay-part", "sustain-part", "release-part"};
        for (int s = 0; s < 4; ++s) {
            QVERIFY(std::abs(rig.rising(gates[s]).front() - starts[s]) < 1e-4);
            QVERIFY(std::abs(rig.falling(gates[s]).front() - ends[s]) < 1e-4);
            for (double t = 0.055; t < 0.7; t += 0.01) {
                const auto i = static_cast<std::size_t>(t * 96000);
                const bool inside = t > starts[s] + 0.001 && t < ends[s] - 0.001;
                const float expected = inside ? rig.out("out")[i] : 0.0f;
                if (inside || t < starts[s] - 0.001 || t > ends[s] + 0.001) QCOMPARE(rig.out(parts[s])[i], expected);
            }
        }
    }

    void stageTimesFollowTheirVoltages() {
        Rig rig("contour");
        rig.set("type", 2).set("attack", 0.01).set("decay", 0.05).set("decay-amount", 100).set("all-amount", 50);
        rig.feed("decay-cv", 1.0).feed("all-cv", 2.0).pulses("gate", {{0.1, 0.11}}).run(1.0);
        // Attack twice as long by the voltage over all, decay four times.
        QVERIFY(std::abs(rig.rising("end").front() - 0.1 - 0.02 - 0.2) < 2e-4);
    }

    /// Both schools of the loop, at times that do not meet the sample grid and at three rates of the engine.
    void itLoopsWhenNothingIsInItsGate() {
        constexpr double kAttack = 0.0213;
        constexpr double kDecay = 0.0307;
        constexpr double kRelease = 0.0491;
        struct School {
            double loop, sustain, cycle, between; // seconds a cycle; volts where decay ends, 0: there is no decay
        };
        for (const double rate : {48000.0, 96000.0, 192000.0})
            for (const School& school :
                 {School{1, 0, kAttack + kRelease, 0}, School{1, 5, kAttack + kDecay + 0.1 + kRelease, 4},
                  School{2, 30, kAttack + kDecay + kRelease, 2.4}, School{2, 0, kAttack + kDecay + kRelease, 0.0}}) {
                Rig rig("contour", rate);
                rig.set("loop", school.loop).set("attack", kAttack).set("decay", kDecay);
                rig.set("sustain", school.sustain).set("release", kRelease).run(2.05);
                const auto& ends = rig.rising("end");
                QCOMPARE(ends.size(), static_cast<std::size_t>(2.05 / school.cycle));
                for (std::size_t n = 1; n < ends.size(); ++n)
                    QVERIFY2(std::abs(ends[n] - ends[n - 1] - school.cycle) < 1e-4,
                             qPrintable(QString::number(ends[n] - ends[n - 1])));
                // From the summit on: decay ends where the school says.
                if (school.between <= 0.0) continue;
                const double after = at(rig.out("out"), ends[3] + kAttack + kDecay + 0.5 / rate, rate);
                QVERIFY2(std::abs(after - school.between) < 0.03, qPrintable(QString::number(after)));
            }
        Rig pure("contour"); // no stage between: just behind the summit, the release has begun
        pure.set("loop", 1).set("sustain", 0).set("attack", 0.02).set("release", 0.05).set("curve", 0).run(1.0);
        QVERIFY(std::abs(at(pure.out("out"), 0.02 + 0.025) - 4.0) < 0.01);
        Rig plugged("contour");
        plugged.set("loop", 1).pulses("gate", {}).feed("gate", 0.0).run(1.0);
        QVERIFY(*std::ranges::max_element(plugged.out("out")) == 0.0f);
    }

    /// In the loop a trigger begins again; a long gate lets the cycle come to its end and waits there at zero.
    void triggersAndGatesInTheLoop() {
        for (const double loop : {1.0, 2.0}) {
            Rig rig("contour");
            rig.set("loop", loop).set("attack", 0.02).set("decay", 0.03).set("sustain", 40).set("release", 0.05);
            rig.set("curve", 0).pulses("retrigger", {{0.013, 0.014}, {0.413, 1.713}}).run(2.2);
            const auto& out = rig.out("out");
            // Struck while it rises, from where it is: 8 V are reached a whole attack after the trigger.
            QVERIFY(std::abs(crossing(out, 7.99, true, 0.0) - 0.013 - 0.02) < 2e-4);
            const double hold = loop == 1.0 ? 0.8 : 0.0;
            const double end = 0.413 + 0.02 + 0.03 + hold + 0.05;
            QVERIFY(at(out, end - 0.01) > 0.5);
            for (double t = end + 0.001; t < 1.712; t += 0.01) QVERIFY(std::abs(at(out, t)) < 1e-6);
            QVERIFY(std::abs(crossing(out, 4.0, true, 1.7) - 1.713 - 0.01) < 2e-4); // it goes on from there
        }
    }

    /// A plug that comes into the gate ends the loop, wherever it is: nothing stays up.
    void aPlugEndsTheLoop() {
        for (const double when : {0.01, 0.035, 0.1}) { // while it rises, decays and holds
            PatchMaker maker;
            maker.timing().post("env", "lantern-a", "1").post("vca", "ballast-a", "1").post("out", "harbour", "out");
            maker.tie("env.out", "out.left").knob("env", "loop", 1).knob("env", "sustain", 20);
            maker.knob("env", "attack", 0.02).knob("env", "decay", 0.03).knob("env", "release", 0.05);
            const Patch patch = maker.make();
            Renderer renderer = *Renderer::make(patch, workspace().library, {.probes = {JackRef{"env", "out"}}});
            std::vector<float> volts;
            const auto run = [&](double seconds) {
                renderer.run(seconds, [&](const RunView& view) {
                    volts.insert(volts.end(), view.probes[0]->volts.begin(), view.probes[0]->volts.end());
                    return true;
                });
            };
            run(when);
            QVERIFY(volts.back() > 0.5f);
            // A gate that never comes.
            Patch tied = *applyEdit(patch, TieCable{{0, {"tracks", "drum-4"}, {"env", "gate"}, "", "", "", 0, "", {}}});
            QVERIFY(renderer.setPatch(tied));
            run(0.3);
            QVERIFY2(std::abs(volts.back()) < 1e-3f, qPrintable(QString::number(static_cast<double>(volts.back()))));
        }
    }

    /// A trigger with no gate plays attack and release, whatever sustain and the short-gate policy are.
    void aTriggerAlonePlaysAttackAndRelease() {
        for (const double policy : {0.0, 1.0})
            for (const double type : {0.0, 1.0}) {
                Rig rig("contour");
                rig.set("type", type).set("attack", 0.0317).set("decay", 0.5).set("sustain", 70).set("release", 0.0713);
                rig.set("curve", 0).set("short-gate", policy).pulses("retrigger", {{0.1003, 0.1013}}).run(0.5);
                QVERIFY(std::abs(crossing(rig.out("out"), 4.0, true, 0.0) - 0.1003 - 0.5 * 0.0317) < 1e-4);
                QVERIFY(std::abs(crossing(rig.out("out"), 4.0, false, 0.0) - 0.1003 - 0.0317 - 0.5 * 0.0713) < 1e-4);
                QVERIFY(std::abs(rig.rising("end").front() - 0.1003 - 0.0317 - 0.0713) < 1e-4);
            }
        // A gate that comes meanwhile is a gate again.
        Rig rig("contour");
        rig.set("attack", 0.01).set("decay", 0.02).set("sustain", 50).set("release", 0.05);
        rig.pulses("retrigger", {{0.1, 0.101}}).pulses("gate", {{0.12, 0.3}}).run(0.4);
        QVERIFY(std::abs(at(rig.out("out"), 0.29) - 4.0) < 0.01);
    }

    void levelFollowsVelocityOrTheTriggersHeight() {
        Rig velocity("contour");
        velocity.set("level-by", 1).set("sustain", 100).feed("velocity", 4.0).pulses("gate", {{0.1, 0.5}}).run(0.4);
        QVERIFY(std::abs(static_cast<double>(velocity.out("out").back()) - 4.0) < 0.01);
        Rig height("contour");
        height.set("level-by", 2)
            .set("sustain", 100)
            .feed("gate", [](double t) { return t > 0.1 ? 5.0 : 0.0; })
            .run(0.4);
        QVERIFY(std::abs(static_cast<double>(height.out("out").back()) - 5.0) < 0.01);
    }

    void curvesGoBothWays() {
        const auto half = [](double curve, double own) {
            Rig rig("contour");
            rig.set("attack", 0.1).set("curve", curve).set("attack-curve", own).pulses("gate", {{0.1, 0.5}}).run(0.3);
            return static_cast<double>(rig.out("out")[static_cast<std::size_t>(0.15 * 96000)]) / 8.0;
        };
        QVERIFY(std::abs(half(0, 0) - 0.5) < 0.002);
        QVERIFY(std::abs(half(100, 0) - 1.0 / (1.0 + std::exp(-3.0))) < 0.002);
        QVERIFY(std::abs(half(100, -200) - 1.0 / (1.0 + std::exp(3.0))) < 0.002);
    }

    void gateBelowTheThresholdDoesNothing() {
        Rig rig("contour");
        rig.feed("gate", [](double t) { return t > 0.1 ? 1.5 : 0.0; }).run(0.4);
        QCOMPARE(measureLevel(rig.out("out")).max.value, 0.0);
    }

    void gateHasHysteresis() {
        // Ripple between 1.2 and 2.6 V opens the gate once and does not close it.
        Rig rig("contour");
        rig.set("type", 1).set("attack", 0.001).set("release", 0.001);
        rig.feed("gate", [](double t) { return t < 0.1 ? 0.0 : 1.9 + 0.7 * std::sin(6283.0 * t); }).run(0.4);
        QVERIFY(at(rig.out("out"), 0.3) > 7.99);
        double lowest = 9.0;
        for (double t = 0.15; t < 0.39; t += 0.0001) lowest = std::min(lowest, at(rig.out("out"), t));
        QVERIFY(lowest > 7.99);
    }

    /// The picture is what the block does: its corners stand where the knobs say, for every mode and length.
    void thePictureOfAContour() {
        PatchMaker maker;
        maker.post("env", "lantern-a", "1")
            .knob("env", "attack", 0.01)
            .knob("env", "decay", 0.1)
            .knob("env", "sustain", 50)
            .knob("env", "release", 0.2)
            .knob("env", "curve", 0);
        const auto shape = [&](double type, std::optional<double> gate) {
            const Patch patch = maker.knob("env", "type", type).make();
            const PartInfo& part = *workspace().library.part(*patch.post("env"));
            return *envelopeShape(*patch.post("env"), part, gate);
        };
        const auto volts = [](const EnvelopeShape& s, double at) {
            return static_cast<double>(
                s.volts[static_cast<std::size_t>(at / s.seconds * static_cast<double>(s.volts.size()))]);
        };
        const EnvelopeShape adsr = shape(0, 0.3);
        QVERIFY(std::abs(volts(adsr, 0.01) - 8.0) < 0.5);
        QVERIFY(std::abs(volts(adsr, 0.11) - 4.0) < 0.1 && std::abs(adsr.sustain - 4.0) < 1e-9);
        QVERIFY(std::abs(volts(adsr, 0.29) - 4.0) < 0.05);
        QVERIFY(std::abs(volts(adsr, 0.4) - 2.0) < 0.1);
        QVERIFY(volts(adsr, 0.501) < 0.05 && std::abs(adsr.releaseEnd - 0.5) < 1e-9);
        // A gate of 30 ms cuts the decay off.
        const EnvelopeShape cut = shape(0, 0.03);
        QVERIFY(cut.gate < cut.decayEnd && std::abs(cut.releaseEnd - 0.23) < 1e-9);
        QVERIFY(volts(cut, 0.031) > 6.0 && volts(cut, 0.1) < 5.5);
        QVERIFY(!shape(2, 0.03).followsGate && !shape(2, 0.03).releases && !shape(1, 0.3).decays);
        for (int type = 0; type < 5; ++type)
            for (const auto gate : {std::optional<double>{}, std::optional{0.001}, std::optional{60.0}}) {
                const EnvelopeShape any = shape(type, gate);
                QVERIFY(any.volts.size() > 100 && any.seconds > 0.0);
                for (const float v : any.volts) QVERIFY(std::isfinite(v) && v > -0.01f && v < 8.1f);
            }
        const Patch other = PatchMaker().post("osc", "keel", "a").make();
        QVERIFY(!envelopeShape(other.posts[0], *workspace().library.part(other.posts[0]), std::nullopt));
    }

    /// The function generator's picture: rise and fall as they are set, and what its related outputs do.
    void aFunctionHasItsPicture() {
        const Patch empty = PatchMaker("tower-case").make();
        const auto free = freeParts(empty, workspace().library, workspace().housing(empty), "function-generator");
        QVERIFY(!free.empty());
        const auto shapeOf = [&](double rise, double fall) {
            PatchMaker maker("tower-case");
            const Patch patch = maker.post("f", free.front().slot->id, free.front().part->id)
                                    .knob("f", "rise", rise)
                                    .knob("f", "fall", fall)
                                    .make();
            return *envelopeShape(patch.posts[0], *workspace().library.part(patch.posts[0]), std::nullopt);
        };
        const EnvelopeShape shape = shapeOf(0.3, 0.1);
        QVERIFY(shape.function);
        QVERIFY(std::abs(shape.attackEnd - 0.3) < 1e-6 && std::abs(shape.releaseEnd - 0.4) < 1e-6);
        const auto at = [&](double seconds) {
            return static_cast<double>(shape.volts[static_cast<std::size_t>(seconds / shape.seconds *
                                                                            static_cast<double>(shape.volts.size()))]);
        };
        QVERIFY(std::abs(at(0.15) - 4.0) < 0.1);
        QVERIFY(at(0.295) > 7.7);
        QVERIFY(std::abs(at(0.35) - 4.0) < 0.3);
        QVERIFY(std::abs(at(0.405)) < 0.2);
        QCOMPARE(shape.related.size(), std::size_t{4});
        QCOMPARE(shape.related[0].size(), shape.volts.size());
        // The shift knob points at a chord in that mode: an octave up the second output is back after half the time.
        const Patch patch = PatchMaker("tower-case")
                                .post("f", free.front().slot->id, free.front().part->id)
                                .knob("f", "rise", 0.3)
                                .knob("f", "fall", 0.1)
                                .knob("f", "mode", 2)
                                .knob("f", "shift", 100.0 * 2.0 / 13.0)
                                .make();
        const EnvelopeShape chord =
            *envelopeShape(patch.posts[0], *workspace().library.part(patch.posts[0]), std::nullopt);
        const auto second = [&](double seconds) {
            return chord.related[1][static_cast<std::size_t>(seconds / chord.seconds *
                                                             static_cast<double>(chord.volts.size()))];
        };
        QVERIFY(std::abs(second(0.147) - 7.9f) < 0.3f && std::abs(second(0.25)) < 0.05f);
    }
};

QTEST_APPLESS_MAIN(ContourTest)
#include "contour_test.moc"
