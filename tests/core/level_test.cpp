// VCA, mixer, attenuverter, mult, line out: levels against their formulas.
#include "measure/measure.h"
#include "support/analysis.h"
#include "support/rig.h"
#include "units/level.h"

#include <QtTest>

#include <cmath>

using namespace lariat;
using lariat::test::figure;
using lariat::test::Rig;

namespace {

double last(const Rig& rig, const char* jack) {
    return static_cast<double>(rig.out(jack).back());
}

} // namespace

class LevelTest : public QObject {
    Q_OBJECT

  private Q_SLOTS:
    void vcaIsUnityAtEightVolts() {
        figure("vca", "unity within 0.01 dB, exponential law -100…0 dB as stated, bleed below -90 dB");
        Rig rig("vca");
        rig.feed("in", 3.0).feed("lin-cv", 8.0).run(0.01);
        QVERIFY(std::abs(toDecibels(last(rig, "out") / 3.0).value) < 0.01);
    }

    void vcaLinearLaw() {
        for (double cv = 0.0; cv <= 8.0; cv += 0.5) {
            Rig rig("vca");
            rig.feed("in", 4.0).feed("lin-cv", cv).run(0.01);
            QVERIFY(std::abs(last(rig, "out") - 4.0 * cv / 8.0) < 1e-4);
        }
    }

    /// -100 dB at 0 V, 0 dB at 8 V, even in decibels between.
    void vcaExponentialLaw() {
        for (double cv = 1.0; cv <= 8.0; cv += 0.5) {
            Rig rig("vca");
            rig.set("lin-amount", 0).feed("in", 5.0).feed("exp-cv", cv).run(0.01);
            const double expected = -100.0 + 100.0 * cv / 8.0;
            QVERIFY(std::abs(toDecibels(last(rig, "out") / 5.0).value - expected) < 0.01);
        }
    }

    void vcaClosedLetsNothingThrough() {
        Rig rig("vca");
        rig.feed("in", 5.0).feed("lin-cv", 0.0).run(0.01);
        QVERIFY(toDecibels(last(rig, "out") / 5.0).value < -90.0);
        Rig negative("vca");
        negative.feed("in", 5.0).feed("lin-cv", -6.0).run(0.01);
        QCOMPARE(last(negative, "out"), 0.0);
    }

    void vcaOffsetAndBoost() {
        Rig rig("vca");
        rig.set("offset", 50).set("boost", 6).feed("in", 2.0).run(0.01);
        QVERIFY(std::abs(last(rig, "out") - 2.0 * 0.5 * std::pow(10.0, 0.3)) < 1e-3);
    }

    void vcaBendsIntoTheRails() {
        Rig rig("vca");
        rig.set("offset", 100).set("boost", 12).feed("in", [](double t) { return 9.0 * std::sin(700.0 * t); }).run(0.1);
        QVERIFY(measureLevel(rig.out("out")).peak().value < 11.5);
        QVERIFY(measureLevel(rig.out("out")).peak().value > 10.5);
    }

    void mixerSumsWithinATenthOfAMillivolt() {
        figure("mixer", "sum within 0.1 mV");
        Rig rig("mixer");
        for (int n = 1; n <= 4; ++n)
            rig.set("level-" + std::to_string(n), 100).feed("in-" + std::to_string(n), 0.5 * n);
        rig.run(0.01);
        QVERIFY(std::abs(last(rig, "mix") - 5.0) < 1e-4);
        QVERIFY(std::abs(last(rig, "inverted") + 5.0) < 1e-4);
    }

    void mixerLevels() {
        Rig rig("mixer");
        rig.set("level-2", 30).set("main", 50).feed("in-2", 6.0).run(0.01);
        QVERIFY(std::abs(last(rig, "mix") - 0.9) < 1e-4);
    }

    void attenuverter() {
        figure("attenuverter", "within 0.1 mV");
        for (const double amount : {-100.0, -37.0, 0.0, 62.5, 100.0}) {
            Rig rig("attenuverter");
            rig.set("amount", amount).set("offset", 1.25).feed("in", 3.2).run(0.01);
            QVERIFY(std::abs(last(rig, "out") - (3.2 * amount / 100.0 + 1.25)) < 1e-4);
        }
    }

    void multCopiesExactlyEdgesIncluded() {
        figure("mult", "exact, edges included");
        figure("passive-mult", "exact; sags by 12 cents of 1 V for each input in the real case");
        Rig rig("mult");
        rig.pulses("in", {{0.0010003, 0.002}, {0.003, 0.0041}}).run(0.01);
        for (const char* out : {"out-1", "out-2", "out-3", "out-4"}) {
            QCOMPARE(rig.rising(out).size(), std::size_t{2});
            QVERIFY(std::abs(rig.rising(out)[0] - 0.0010003) < 1e-7);
            QCOMPARE(rig.out(out), rig.out("out-1"));
        }
    }

    void lineOutAddsToTheWayOut() {
        figure("line-out", "level within 0.1 %");
        Rig rig("line-out");
        rig.set("level", -6).feed("left", 2.0).feed("right", -4.0).run(0.01);
        QVERIFY(std::abs(static_cast<double>(rig.left().back()) - 2.0 * std::pow(10.0, -0.3)) < 1e-4);
        QVERIFY(std::abs(static_cast<double>(rig.right().back()) + 4.0 * std::pow(10.0, -0.3)) < 1e-4);
        Rig off("line-out");
        off.set("level", -60).feed("left", 5.0).run(0.01);
        QCOMPARE(off.left().back(), 0.0f);
    }

    void softRailIsExactBelowTenVolts() {
        for (float v = -10.0f; v <= 10.0f; v += 0.25f) QCOMPARE(softRail(v), v);
        float before = 10.0f;
        for (float v = 10.1f; v < 100.0f; v *= 1.1f) {
            QVERIFY(softRail(v) > before && softRail(v) < 11.5f);
            before = softRail(v);
        }
    }
};

QTEST_APPLESS_MAIN(LevelTest)
#include "level_test.moc"
