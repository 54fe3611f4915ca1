// The ratio trio, soft sync, drift, metal: sources that are tied to something else.
#include "measure/measure.h"
#include "support/analysis.h"
#include "support/rig.h"
#include "units/pitch.h"

#include <QtTest>

#include <cmath>

using namespace lariat;
using namespace lariat::test;

class RatioTest : public QObject {
    Q_OBJECT

  private Q_SLOTS:
    void ratiosAreExactAndLocked_data() {
        QTest::addColumn<int>("times");
        QTest::addColumn<int>("by");
        QTest::newRow("1:1") << 1 << 1;
        QTest::newRow("3:1") << 3 << 1;
        QTest::newRow("16:1") << 16 << 1;
        QTest::newRow("3:2") << 3 << 2;
        QTest::newRow("1:7") << 1 << 7;
    }
    void ratiosAreExactAndLocked() {
        QFETCH(int, times);
        QFETCH(int, by);
        Rig rig("ratio-trio");
        rig.set("right-times", times - 1).set("right-by", by - 1).run(6.0);
        const double hertz = pitchOf(part(rig.out("right-sine"), 1.0, 6.0));
        const double cents = 1200.0 * std::log2(hertz / (261.6255653 * times / by));
        worst("ratio-trio", "ratios", cents, "cent");
        QVERIFY2(std::abs(cents) < 0.05, qPrintable(QString::number(cents)));
        // Locked: after so many turns of the inner one, both are where they were.
        const auto& right = rig.out("right-sine");
        const double period = by / 261.6255653 * 96000.0;
        for (int n = 1; n < 5; ++n) {
            const double place = 96000.0 + n * 20.0 * period;
            const auto i = static_cast<std::size_t>(place);
            const double part = place - std::floor(place);
            const double now = static_cast<double>(right[i]) * (1.0 - part) + static_cast<double>(right[i + 1]) * part;
            QVERIFY(std::abs(now - static_cast<double>(right[96000])) < 0.06);
        }
    }

    void itFollowsASignalFromOutside() {
        Rig rig("ratio-trio");
        rig.set("inner-source", 2)
            .set("inner-times", 2)
            .feed("inner-ref", [](double t) { return 5.0 * std::sin(2.0 * kPi * 220.0 * t); })
            .run(4.0);
        const double hertz = pitchOf(part(rig.out("inner-sine"), 1.0, 4.0));
        QVERIFY(std::abs(1200.0 * std::log2(hertz / 660.0)) < 0.1);
    }

    /// Phase modulation with index I gives sidebands J_n(I).
    void phaseModulationFollowsBessel() {
        Rig rig("ratio-trio");
        const double index = 2.0; // radians
        rig.set("inner-tune", 24)
            .set("inner-index", index / (2.0 * kPi) * 100.0)
            .feed("inner-pm", [](double t) { return 5.0 * std::sin(2.0 * kPi * 100.0 * t); })
            .run(3.0);
        const double carrier = 4.0 * 261.6255653;
        Rig driven("ratio-trio"); // the same index by its CV
        driven.set("inner-tune", 24).set("inner-index-amount", 100).feed("inner-index-cv", 8.0 * index / (2.0 * kPi));
        driven.feed("inner-pm", [](double t) { return 5.0 * std::sin(2.0 * kPi * 100.0 * t); }).run(3.0);
        QVERIFY(std::abs(amplitudeOf(driven.out("inner-sine"), carrier + 100.0, 96000.0, 2.5) -
                         5.0 * std::cyl_bessel_j(1, index)) < 0.03);
        for (int n = 0; n <= 4; ++n)
            QVERIFY2(std::abs(amplitudeOf(rig.out("inner-sine"), carrier + 100.0 * n, 96000.0, 2.5) -
                              5.0 * std::abs(std::cyl_bessel_j(n, index))) < 0.03,
                     qPrintable(QString::number(n)));
    }

    /// The CV moves what the ratio is multiplied or divided by, three steps a volt, and stays within 1…16.
    void theCvMovesEitherSideOfTheRatio() {
        for (const auto& [volts, to, ratio] : std::vector<std::tuple<double, int, double>>{{1.0, 0, 4.0},
                                                                                           {1.0, 1, 1.0 / 4},
                                                                                           {-2.0, 0, 1.0},
                                                                                           {5.0, 1, 1.0 / 16},
                                                                                           {-12.0, 1, 1.0},
                                                                                           {12.0, 0, 16.0}}) {
            Rig rig("ratio-trio");
            rig.set("left-ratio-to", to).feed("left-ratio-cv", volts).run(3.0);
            const double hertz = pitchOf(part(rig.out("left-sine"), 1.0, 3.0));
            QVERIFY2(std::abs(1200.0 * std::log2(hertz / (261.6255653 * ratio))) < 0.1,
                     qPrintable(QString::number(hertz)));
        }
    }

    /// Slow, it is a 1024th as fast: minutes a turn; a common transposition moves all that is free, and what follows.
    void slowAndTransposed() {
        Rig slow("ratio-trio");
        slow.set("inner-range", 1).set("inner-tune", 36).set("left-by", 1).run(3.0);
        const double hertz = 261.6255653 * 8.0 / 1024.0; // 2.04 Hz
        for (const double t : {0.5, 1.317, 2.6})
            QVERIFY(std::abs(static_cast<double>(slow.out("inner-sine")[static_cast<std::size_t>(t * 96000)]) -
                             5.0 * std::sin(2.0 * kPi * hertz * t)) < 0.02);
        Rig minutes("ratio-trio");
        minutes.set("inner-range", 1).set("inner-tune", -60).run(3.0);
        const double rise = static_cast<double>(minutes.out("inner-sine")[279000] - minutes.out("inner-sine")[9000]) /
                            (270000.0 / 96000.0) / (5.0 * 2.0 * kPi); // turns a second, near zero
        QVERIFY2(std::abs(1.0 / rise - 1024.0 * 32.0 / 261.6255653) < 2.0, qPrintable(QString::number(1.0 / rise)));
        Rig moved("ratio-trio");
        moved.set("right-times", 2).set("transpose", -12).feed("transpose-cv", 1.5833333333).run(3.0);
        QVERIFY(std::abs(1200.0 * std::log2(pitchOf(part(moved.out("inner-sine"), 1.0, 3.0)) / 261.6255653) - 700.0) <
                0.1);
        QVERIFY(std::abs(1200.0 * std::log2(pitchOf(part(moved.out("right-sine"), 1.0, 3.0)) / 784.8766959) - 700.0) <
                0.1);
        Rig outside("ratio-trio");
        outside.set("left-source", 2).feed("left-ref", [](double t) { return 5.0 * std::sin(2.0 * kPi * 220.0 * t); });
        outside.feed("transpose-cv", 1.0).run(3.0);
        QVERIFY(std::abs(1200.0 * std::log2(pitchOf(part(outside.out("left-sine"), 1.0, 3.0)) / 440.0)) < 0.2);
    }

    /// By normals the outer two phase-modulate the inner one, half each, and the inner one bends the outer two; a plug
    /// ends it. Linear FM goes through zero: at twice full depth it runs backward a third of the time.
    void theRingIsNormal() {
        Rig ring("ratio-trio");
        ring.set("inner-index", 40).run(2.0); // the outer sines are the inner one's, at unison
        Rig plain("ratio-trio");
        plain.run(2.0);
        const auto second = [](const Rig& rig, const char* out) {
            return amplitudeOf(rig.out(out), 2.0 * 261.6255653, 96000.0, 1.5);
        };
        // sin(x + I sin x) with I = 0.8π: the second harmonic is J1(I) + J3(I), at 5 V.
        const double index = 0.8 * kPi;
        const double law = 5.0 * std::abs(std::cyl_bessel_j(1, index) + std::cyl_bessel_j(3, index));
        QVERIFY2(std::abs(second(ring, "inner-sine") - law) < 0.05,
                 qPrintable(QString::number(second(ring, "inner-sine"))));
        QVERIFY(second(plain, "inner-sine") < 0.01);
        Rig unplugged("ratio-trio");
        unplugged.set("inner-index", 40).feed("inner-pm", 0.0).run(2.0);
        QVERIFY(second(unplugged, "inner-sine") < 0.01);
        Rig bent("ratio-trio");
        bent.set("right-source", 0).set("right-tune", 12).set("right-lin-amount", 30).run(2.0);
        QVERIFY(amplitudeOf(bent.out("right-sine"), 261.6255653, 96000.0, 1.5) > 0.3);
        Rig through("ratio-trio");
        through.set("right-source", 0).set("right-lin-amount", 200);
        through.feed("right-lin", [](double t) { return t < 1.0 ? -2.5 : -5.0; }).run(2.0);
        const auto& sine = through.out("right-sine");
        float still = 0.0f;
        for (std::size_t i = 48000; i < 90000; ++i) still = std::max(still, std::abs(sine[i] - sine[i - 1]));
        QVERIFY(still < 1e-4f); // full depth the other way: it stands
        const double back = pitchOf(part(sine, 1.1, 2.0));
        QVERIFY(std::abs(1200.0 * std::log2(back / 261.6255653)) < 0.1); // twice: as fast, backward
    }

    void sineAndCosineAreModulatedInOppositeDirections() {
        Rig rig("ratio-trio");
        rig.set("inner-index", 50).feed("inner-pm", 2.5).run(0.5); // a quarter turn, one way and the other
        Rig plain("ratio-trio");
        plain.feed("inner-pm", 0.0).set("inner-index", 50).run(0.5);
        const auto shift = [](const std::vector<float>& moved, const std::vector<float>& still) {
            double best = -1e9;
            long place = 0;
            for (long lag = -120; lag <= 120; ++lag) {
                double sum = 0.0;
                for (std::size_t i = 20000; i < 24000; ++i)
                    sum += static_cast<double>(moved[i]) *
                           static_cast<double>(still[static_cast<std::size_t>(static_cast<long>(i) + lag)]);
                if (sum > best) best = sum, place = lag;
            }
            return static_cast<double>(place) * 261.6255653 / 96000.0; // in turns
        };
        QVERIFY(std::abs(shift(rig.out("inner-sine"), plain.out("inner-sine")) - 0.25) < 0.01);
        QVERIFY(std::abs(shift(rig.out("inner-cosine"), plain.out("inner-cosine")) + 0.25) < 0.01);
    }

    void softSyncActsInTheLastQuarterOnly() {
        figure("vco", "soft sync, AC coupling and drift as stated");
        const auto hertzWith = [](double ratio) {
            Rig rig("vco");
            rig.feed("soft-sync", [=](double t) { return 5.0 * std::sin(2.0 * kPi * 261.6255653 * ratio * t + 0.3); })
                .run(2.0);
            return pitchOf(part(rig.out("saw"), 0.5, 2.0));
        };
        QVERIFY(std::abs(hertzWith(1.1) / (261.6255653 * 1.1) - 1.0) < 1e-3); // pulled up to the other one
    }

    void acCouplingTakesTheMeanOut() {
        const auto hertz = [](double coupling) {
            Rig rig("vco");
            rig.set("coupling", coupling).set("lin-amount", 100).feed("lin-fm", 2.5).run(4.0);
            return pitchOf(part(rig.out("sine"), 3.0, 4.0));
        };
        QVERIFY(std::abs(hertz(0) / (261.6255653 * 1.5) - 1.0) < 1e-4);
        QVERIFY(std::abs(hertz(1) / 261.6255653 - 1.0) < 1e-3);
    }

    void driftAndTrackingAreSeededAndOnlyWhereAskedFor() {
        const auto cents = [](double drift, double tracking, double volts, std::uint64_t seed, bool real) {
            Rig rig("vco", 96000.0, seed);
            rig.setup.realCase = real;
            rig.set("drift", drift).set("tracking", tracking).feed("voct", volts).run(2.0);
            return 1200.0 * std::log2(pitchOf(part(rig.out("sine"), 1.0, 2.0)) / 261.6255653) - 1200.0 * volts;
        };
        QVERIFY(std::abs(cents(0, 0, 2, 1, false)) < 0.05);
        QVERIFY(std::abs(cents(0, 5, 2, 1, false) - 10.0) < 0.05);
        QVERIFY(std::abs(cents(20, 0, 0, 1, false)) > 0.3);
        QVERIFY(cents(20, 0, 0, 1, false) == cents(20, 0, 0, 1, false));
        const double real = cents(0, 0, 3, 9, true);
        QVERIFY(std::abs(real) > 0.01 && std::abs(real) < 12.0);
    }

    void theLfoRangeIsEightOctavesDown() {
        Rig rig("vco");
        rig.set("range", 1).run(4.0);
        const auto& edges = rig.rising("pulse");
        QVERIFY(edges.size() >= 3 && std::abs(edges[2] - edges[1] - 256.0 / 261.6255653) < 1e-5);
    }

    void metalSharesNoHarmonics() {
        figure("metal-cluster", "six fundamentals within 8 % of their level");
        Rig rig("metal-cluster");
        rig.set("tune", 400).run(2.0);
        for (const double ratio : {1.0, 2.0, 3.0, 5.0, 6.0, 7.0})
            QVERIFY2(std::abs(amplitudeOf(rig.out("cluster"), 400.0 * std::sqrt(ratio), 96000.0, 1.5) -
                              5.0 / 6.0 * 4.0 / kPi) < 0.08,
                     qPrintable(QString::number(ratio)));
        QVERIFY(measureLevel(rig.out("bright")).rms.value > 0.2);
    }
};

QTEST_GUILESS_MAIN(RatioTest)
#include "ratio_test.moc"
