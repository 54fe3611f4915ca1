// The function generator: times, and what relates its four outputs, held to the formulas in its header.
#include "blocks/signal.h"
#include "measure/measure.h"
#include "support/analysis.h"
#include "support/rig.h"

#include <QtTest>

#include <algorithm>
#include <array>
#include <cmath>

using namespace lariat;
using namespace lariat::test;

namespace {

constexpr double kRate = 96000.0;

double at(const Rig& rig, const std::string& jack, double seconds) {
    return static_cast<double>(rig.out(jack)[idx(std::lround(seconds * kRate))]);
}

std::size_t highest(const std::vector<float>& x) {
    return static_cast<std::size_t>(std::ranges::max_element(x) - x.begin());
}

/// How often it passes 0 V upward.
int rises(const std::vector<float>& x) {
    int count = 0;
    for (std::size_t i = 1; i < x.size(); ++i) count += x[i - 1] < 0.0f && x[i] >= 0.0f ? 1 : 0;
    return count;
}

} // namespace

class FunctionTest : public QObject {
    Q_OBJECT

  private Q_SLOTS:
    void riseAndFallTakeTheirTime() {
        for (const double curve : {0.0, 70.0, -70.0}) {
            Rig rig("function-generator");
            rig.set("rise", 0.05).set("fall", 0.15).set("curve", curve).pulses("trigger", {{0.1, 0.11}}).run(0.5);
            QVERIFY(std::abs(rig.rising("end-of-rise").front() - 0.15) < 1e-4);
            QVERIFY(std::abs(rig.rising("end-of-fall").front() - 0.30) < 1e-4);
            QVERIFY(std::abs(at(rig, "out", 0.15) - 8.0) < 0.15);
            QVERIFY(std::abs(at(rig, "out", 0.45)) < 0.01);
            if (curve == 0.0) QVERIFY(std::abs(at(rig, "out", 0.125) - 4.0) < 0.02);
        }
    }

    void itCyclesAtAudioRateCleanly() {
        Rig rig("function-generator");
        rig.set("rise", 0.0003).set("fall", 0.0003).set("cycle", 1).run(3.0);
        const auto out = atFileRate(rig.out("out"));
        const double hertz = pitchOf(out, 48000.0);
        QVERIFY(std::abs(1200.0 * std::log2(hertz * 0.0006)) < 0.5);
        QVERIFY2(aliasFloor(out, hertz) < -80.0, qPrintable(QString::number(aliasFloor(out, hertz))));
    }

    /// Every chord of the table, both ways, by the voltage that points at it: within a tenth of a cent.
    void ratiosAreSweptThroughChords() {
        const std::vector<std::array<double, 4>> chords = {{1, 1, 1, 1},      {1, 2, 4, 8},     {1, 1.5, 2, 3},
                                                           {1, 1.25, 1.5, 2}, {1, 1.2, 1.5, 2}, {1, 1.25, 1.5, 1.75},
                                                           {1, 2, 3, 4}};
        for (int chord = -6; chord <= 6; ++chord) {
            Rig rig("function-generator");
            rig.set("rise", 0.0026).set("fall", 0.0014).set("cycle", 1).set("mode", 2).set("shift-amount", 50);
            rig.feed("shift-cv", [&](double) { return chord * 2.0 / 13.0 * 10.0; }).run(2.0);
            for (std::size_t k = 0; k < 4; ++k) {
                const double ratio = chords[static_cast<std::size_t>(std::abs(chord))][k];
                const double hertz = pitchOf(part(rig.out("related-" + std::to_string(k + 1)), 0.5, 2.0));
                const double cents = 1200.0 * std::log2(hertz / (250.0 * (chord < 0 ? 1.0 / ratio : ratio)));
                test::worst("function-generator", "thirteen chords", cents, "cent");
                QVERIFY2(std::abs(cents) < 0.1,
                         qPrintable(QStringLiteral("%1, output %2: %3").arg(chord).arg(k + 1).arg(cents)));
            }
        }
    }

    /// A voltage that trembles on the border of two chords changes none, and a chord that changes goes on in phase.
    void chordsChangeWithoutTremblingOrClicks() {
        Rig rig("function-generator");
        rig.set("rise", 0.05).set("fall", 0.05).set("cycle", 1).set("mode", 2).set("shift-amount", 100);
        const double border = 100.0 * 3.0 / 13.0 / 20.0; // between octaves and fifths, in volts
        rig.feed("shift-cv",
                 [&](double t) {
                     return border + (t < 1.0 ? -0.3 : t < 2.0 ? 0.03 * std::sin(2.0 * kPi * 30.0 * t) : 0.3);
                 })
            .run(3.0);
        const auto second = rig.out("related-2");
        QCOMPARE(rises(part(second, 0.0, 2.0)), 40); // two to one all the time
        QCOMPARE(rises(part(second, 2.0, 3.0)), 15); // then three to two
        float steepest = 0.0f;
        for (std::size_t i = 1; i < second.size(); ++i)
            steepest = std::max(steepest, std::abs(second[i] - second[i - 1]));
        QVERIFY(steepest < 8.0 / 0.025 / kRate * 1.05); // no jump
    }

    /// Struck, each output runs through one cycle at its own pace; slow, the ratios are metres from one start.
    void ratiosWhenStruck() {
        Rig rig("function-generator");
        rig.set("rise", 0.1).set("fall", 0.1).set("mode", 2).set("chord", 200.0 * 3 / 13);
        rig.pulses("trigger", {{0.1003, 0.11}, {0.6, 0.61}}).run(1.0);
        const double paces[] = {1.0, 1.25, 1.5, 2.0};
        for (std::size_t k = 0; k < 4; ++k) {
            const auto out = rig.out("related-" + std::to_string(k + 1));
            const double top = 0.1003 + 0.1 / paces[k];
            QVERIFY(std::abs(at(rig, "related-" + std::to_string(k + 1), top) - 8.0) < 0.02);
            QVERIFY(std::abs(at(rig, "related-" + std::to_string(k + 1), 0.1003 + 0.2 / paces[k] + 0.001)) < 1e-4);
            QVERIFY(std::abs(at(rig, "related-" + std::to_string(k + 1), 0.09)) < 1e-6); // nothing before it is struck
        }
    }

    /// The four stand around zero when it cycles, above it when it is struck; one shift, neutral at noon.
    void relatedByLevelsPhaseAndSlope() {
        const auto rig = [](double mode, double shift, bool cycles) {
            Rig r("function-generator");
            r.set("rise", 0.01).set("fall", 0.03).set("cycle", cycles ? 1 : 0).set("mode", mode).set("shift", shift);
            r.pulses("trigger", {{0.2003, 0.21}}).run(1.0);
            return r;
        };
        const auto out = [](const Rig& r, int k) { return r.out("related-" + std::to_string(k)); };
        const auto high = [](const std::vector<float>& x) { return *std::ranges::max_element(x); };
        const auto low = [](const std::vector<float>& x) { return *std::ranges::min_element(x); };
        // Levels: silent at noon, one after another either way.
        for (const bool cycles : {false, true}) {
            const float top = cycles ? 4.0f : 8.0f;
            for (int k = 1; k <= 4; ++k) QCOMPARE(peakOf(out(rig(0, 0, cycles), k)), 0.0f);
            for (const int step : {-4, -3, -2, -1, 1, 2, 3, 4}) {
                const Rig r = rig(0, 25.0 * step, cycles);
                for (int k = 1; k <= 4; ++k) {
                    const bool open = step > 0 ? k == step : k == 5 + step;
                    QVERIFY2(std::abs(peakOf(out(r, k)) - (open ? top : 0.0f)) < 0.05f,
                             qPrintable(QStringLiteral("%1, output %2").arg(step).arg(k)));
                }
            }
            const Rig between = rig(0, 37.5, cycles);
            QVERIFY(std::abs(peakOf(out(between, 1)) - 0.5f * top) < 0.05f);
            QVERIFY(std::abs(peakOf(out(between, 2)) - 0.5f * top) < 0.05f);
        }
        QVERIFY(low(out(rig(1, 0, true), 2)) < -3.9f && high(out(rig(1, 0, true), 2)) < 4.1f);
        QVERIFY(low(out(rig(1, 0, false), 2)) > -0.2f && high(out(rig(1, 0, false), 2)) > 7.8f);
        // Phase: output k is k·s/4 of a cycle ahead, or behind.
        for (const double s : {1.0, -1.0, 0.37})
            for (int k = 1; k <= 4; ++k) {
                const double ahead = s * (k - 1) / 4.0 * 0.04;
                const Rig r = rig(1, 100.0 * s, true);
                QVERIFY(std::abs(out(r, k)[idx(0.5 * kRate)] - out(r, 1)[idx((0.5 + ahead) * kRate)]) < 0.03);
            }
        // Slope: the summit of output k is moved by k/3 of what the shift asks for; the whole still takes 40 ms.
        for (const double s : {1.0, -1.0, 0.5, 0.0}) {
            const Rig r = rig(1, 100.0 * s, false);
            for (int k = 1; k <= 4; ++k) {
                const double moved = s * (k - 1) / 3.0;
                const double summit = std::clamp(0.25 + moved * (s > 0.0 ? 0.75 : 0.25), 0.01, 0.99);
                const auto summitAt = static_cast<double>(highest(out(r, k))) / kRate;
                QVERIFY2(std::abs(summitAt - (0.2003 + 0.04 * summit)) < 1e-4,
                         qPrintable(QStringLiteral("%1, output %2: %3").arg(s).arg(k).arg(summitAt - 0.2003)));
            }
        }
    }

    /// The core mode gives the straight core whatever the curve, its two ends, and how long it is above the shift.
    void theCoreAndItsEnds() {
        for (const double seconds : {0.05, 0.0007}) { // slow, and at audio rate
            Rig rig("function-generator");
            rig.set("rise", seconds).set("fall", 3.0 * seconds).set("cycle", 1).set("mode", 3).set("shift", 50);
            rig.set("curve", 80).run(2.0);
            const double period = 4.0 * seconds;
            const auto above = rig.rising("related-4");
            const auto rose = rig.rising("related-2");
            const auto fell = rig.rising("related-3");
            QCOMPARE(rose, rig.rising("end-of-rise"));
            QCOMPARE(fell, rig.rising("end-of-fall"));
            QVERIFY(rose.size() > 4 && above.size() > 4 && fell.size() > 4);
            for (std::size_t n = 1; n < std::min(rose.size(), fell.size()); ++n) {
                QVERIFY(std::abs(std::remainder(rose[n] - rose[0], period)) < 2e-6);
                QVERIFY(std::abs(std::remainder(fell[n] - rose[0] - 3.0 * seconds, period)) < 2e-6);
            }
            // Above three quarters: the last quarter of the rise and the first of the fall.
            for (std::size_t n = 0; n + 1 < above.size(); ++n)
                QVERIFY(std::abs(std::remainder(above[n] - rose[0] + 0.25 * seconds, period)) < 5e-6);
            double high = 0.0;
            for (const float v : rig.out("related-4")) high += v > 4.0f ? 1.0 : 0.0;
            QVERIFY(std::abs(high / kRate - 0.5) < 0.02);
        }
        Rig rig("function-generator");
        rig.set("rise", 0.1).set("fall", 0.3).set("cycle", 1).set("mode", 3).set("curve", 80).run(1.0);
        QVERIFY(std::abs(at(rig, "related-1", 0.05) - 0.0) < 0.02); // half way up, around zero
    }

    /// Smooth rounds, fold folds back, by the stated formulas; nothing stays nothing.
    void smoothAndFold() {
        for (const bool cycles : {false, true})
            for (const double smooth : {0.0, 100.0, 35.0})
                for (const double fold : {0.0, 100.0, 40.0}) {
                    Rig rig("function-generator");
                    rig.set("rise", 0.2).set("fall", 0.2).set("cycle", cycles ? 1 : 0).set("mode", 1);
                    rig.set("smooth", smooth).set("fold", fold).pulses("trigger", {{0.1, 0.11}}).run(0.8);
                    const double m = 0.01 * smooth;
                    const double a = 0.01 * fold;
                    for (const double t : {0.15, 0.2113, 0.27, 0.35, 0.43}) {
                        const double f = t < 0.3 ? (t - 0.1) / 0.2 : (0.5 - t) / 0.2;
                        const double v = (1.0 - m) * f + m * (3.0 * f * f - 2.0 * f * f * f);
                        const double u = 2.0 * v - 1.0;
                        const double law =
                            cycles ? 4.0 * ((1.0 - a) * u + a * std::sin((1.0 + 4.0 * a) * kPi * u / 2.0))
                                   : 8.0 * ((1.0 - a) * v + a * (1.0 - std::cos((1.0 + 4.0 * a) * kPi * v)) / 2.0);
                        QVERIFY2(std::abs(at(rig, "related-1", t) - law) < 0.02,
                                 qPrintable(QStringLiteral("%1 %2 at %3: %4, law %5")
                                                .arg(smooth)
                                                .arg(fold)
                                                .arg(t)
                                                .arg(at(rig, "related-1", t))
                                                .arg(law)));
                    }
                    if (!cycles) QVERIFY(std::abs(at(rig, "related-1", 0.7)) < 1e-4);
                }
    }

    /// ±12 V and no number at all do no harm.
    void wildShiftsAreHeld() {
        for (const double volts : {12.0, -12.0, std::nan("")})
            for (const int mode : {0, 1, 2, 3}) {
                Rig rig("function-generator");
                rig.set("cycle", 1).set("mode", mode).set("shift-amount", 100);
                rig.feed("shift-cv", [&](double) { return volts; }).run(0.5);
                for (int k = 1; k <= 4; ++k)
                    for (const float v : rig.out("related-" + std::to_string(k))) QVERIFY(std::abs(v) < 11.0f);
            }
    }

    void itSlewsWhatComesIn() {
        Rig rig("function-generator");
        rig.set("rise", 0.1)
            .set("fall", 0.2)
            .feed("slew-in", [](double t) { return t > 0.1 && t < 0.4 ? 8.0 : 0.0; })
            .run(1.0);
        QVERIFY(std::abs(at(rig, "out", 0.15) - 4.0) < 0.02);
        QVERIFY(std::abs(at(rig, "out", 0.5) - 4.0) < 0.02);
    }
};

QTEST_APPLESS_MAIN(FunctionTest)
#include "function_test.moc"
