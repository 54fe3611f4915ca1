// VCO and LFO against closed forms: pitch law, Fourier series, aliasing, sync, modulation.
#include "measure/measure.h"
#include "support/analysis.h"
#include "support/rig.h"
#include "units/level.h"
#include "units/pitch.h"

#include <QtTest>

#include <cmath>

#include <fmt/format.h>

using namespace lariat;
using namespace lariat::test;

namespace {

/// Volts for a frequency with the octave switch at C4.
double voltsFor(double hertz) {
    return toVolts({hertz}).value;
}

} // namespace

class OscillatorTest : public QObject {
    Q_OBJECT

  private Q_SLOTS:
    void pitchIsExact_data() {
        QTest::addColumn<double>("volts");
        for (double v = -5.0; v <= 6.0; v += 1.0) QTest::addRow("%g V", v) << v;
        QTest::newRow("7 V") << 7.0;
        QTest::newRow("0.7 V") << 0.7;
        QTest::newRow("-1.337 V") << -1.337;
    }
    /// Counts turns of the saw's listed pulse edges over four seconds: 0.05 cent of bar.
    void pitchIsExact() {
        QFETCH(double, volts);
        Rig rig("vco");
        rig.feed("voct", volts).run(volts < -3 ? 12.0 : 4.0);
        const auto& edges = rig.rising("pulse");
        QVERIFY(edges.size() > 20);
        const double hertz = static_cast<double>(edges.size() - 1) / (edges.back() - edges.front());
        const double cents = ratioToCents(hertz / toHertz({volts}).value).value;
        worst("vco", "pitch, -5…+7 V,", cents, "cent");
        QVERIFY2(std::abs(cents) < 0.05, qPrintable(QString::number(cents)));
    }

    void octaveAndFine() {
        Rig rig("vco");
        rig.set("octave", 2).set("fine", -2.5).run(2.0);
        const auto& edges = rig.rising("pulse");
        const double hertz = static_cast<double>(edges.size() - 1) / (edges.back() - edges.front());
        QVERIFY(std::abs(ratioToCents(hertz / noteToHertz(36 - 2.5).value).value) < 0.05);
    }

    /// Amplitudes of the Fourier series with 5 V peak: saw 10/(πn), square 20/(πn) for odd n, triangle 40/(π²n²).
    void wavesHaveTheirSpectra() {
        Rig rig("vco");
        rig.feed("voct", voltsFor(220.0)).run(1.2);
        const auto harmonic = [&](const char* wave, int n) {
            const auto& volts = rig.out(wave);
            return measureSpectrum(std::span(volts).subspan(4800, 96000), 96000.0).at(220.0 * n);
        };
        for (int n = 1; n <= 24; ++n) {
            QVERIFY(std::abs(toDecibels(harmonic("saw", n) / (10.0 / (kPi * n))).value) < 0.1);
            if (n % 2 == 1) {
                QVERIFY(std::abs(toDecibels(harmonic("pulse", n) / (20.0 / (kPi * n))).value) < 0.1);
                QVERIFY(std::abs(toDecibels(harmonic("triangle", n) / (40.0 / (kPi * kPi * n * n))).value) < 0.15);
            } else {
                QVERIFY(harmonic("pulse", n) < 0.002);
                QVERIFY(harmonic("triangle", n) < 0.002);
            }
        }
        QVERIFY(std::abs(harmonic("sine", 1) - 5.0) < 0.005);
        for (int n = 2; n < 10; ++n) QVERIFY(harmonic("sine", n) < 5e-5);
    }

    void subsLieOneAndTwoOctavesDown() {
        Rig rig("vco");
        rig.feed("voct", voltsFor(440.0)).run(1.0);
        const auto pitch = [&](const char* wave) {
            return measurePitch(std::span(rig.out(wave)).last(48000), 96000.0)->hertz.value;
        };
        QVERIFY(std::abs(ratioToCents(pitch("sub-2") / 220.0).value) < 0.05);
        QVERIFY(std::abs(ratioToCents(pitch("sub-4") / 110.0).value) < 0.05);
    }

    void blendsAreHalfTheSum() {
        Rig rig("vco");
        rig.feed("voct", 1.0).run(0.1);
        for (std::size_t i = 0; i < rig.out("saw").size(); ++i) {
            QVERIFY(std::abs(rig.out("saw-pulse")[i] - 0.5f * (rig.out("saw")[i] + rig.out("pulse")[i])) < 1e-5f);
            QVERIFY(std::abs(rig.out("triangle-pulse")[i] - 0.5f * (rig.out("triangle")[i] + rig.out("pulse")[i])) <
                    1e-5f);
        }
    }

    void aliasingStaysBelowTheBar_data() {
        QTest::addColumn<QString>("wave");
        QTest::addColumn<double>("hertz");
        QTest::addColumn<double>("bar");
        for (const char* wave : {"saw", "pulse", "sub-2"}) {
            QTest::addRow("%s at 1.66 kHz", wave) << wave << 1661.2187 << -90.0;
            QTest::addRow("%s at 5 kHz", wave) << wave << 5003.7771 << -75.0;
        }
    }
    void aliasingStaysBelowTheBar() {
        QFETCH(QString, wave);
        QFETCH(double, hertz);
        QFETCH(double, bar);
        Rig rig("vco");
        rig.feed("voct", voltsFor(hertz)).run(3.0);
        const double heard = wave == QLatin1String("sub-2") ? hertz / 2 : hertz;
        const double floor = aliasFloor(atFileRate(rig.out(wave.toStdString())), heard);
        qInfo("%s %.0f Hz: %.1f dB", qPrintable(wave), hertz, floor);
        figure("vco", fmt::format("{} at {:.0f} Hz: aliases {:.0f} dB", wave.toStdString(), hertz, floor));
        QVERIFY2(floor < bar, qPrintable(QString::number(floor)));
    }

    void hardSyncKeepsTheLeadersPitch_data() {
        QTest::addColumn<double>("ratio");
        for (const double ratio : {1.0, 1.37, 2.5, 3.14159, 4.73, 5.0}) QTest::addRow("%g", ratio) << ratio;
    }
    /// The leader's listed edges reset the follower; whatever is no harmonic of the leader is aliasing.
    void hardSyncKeepsTheLeadersPitch() {
        QFETCH(double, ratio);
        const double leader = 433.7;
        std::vector<test::Pulse> resets;
        for (int n = 1; n < 1400; ++n) resets.push_back({n / leader, (n + 0.5) / leader});
        Rig rig("vco");
        rig.feed("voct", voltsFor(leader * ratio)).pulses("sync", resets).run(3.0);
        const std::vector<float> heard = atFileRate(rig.out("saw"));
        const auto pitch = measurePitch(std::span(heard).last(24000), 48000.0);
        QVERIFY(pitch);
        // At a whole ratio the wave repeats within the leader's period too.
        const double nearest = pitch->hertz.value / leader;
        QVERIFY(std::abs(ratioToCents(nearest / std::round(nearest)).value) < 1.0);
        const double floor = aliasFloor(heard, leader);
        qInfo("sync ×%.2f: %.1f dB", ratio, floor);
        QVERIFY2(floor < -70.0, qPrintable(QString::number(floor)));
    }

    void syncResetsWithinTheSample() {
        // A reset 0.3 samples after sample 960: the saw then stands where 0.7 samples of its turn have brought it.
        Rig rig("vco");
        const double step = 1000.0 / 96000.0;
        rig.feed("voct", voltsFor(1000.0)).pulses("sync", {{960.3 / 96000.0, 0.02}}).run(0.02);
        const int delay = 4; // the band-limiting is linear-phase
        for (int i = 20; i < 60; ++i) {
            const double phase = (i + 1 - 0.3) * step - step;
            const double expected = 5.0 * (2.0 * (phase - std::floor(phase)) - 1.0);
            QVERIFY(std::abs(static_cast<double>(rig.out("saw")[static_cast<std::size_t>(960 + i + delay)]) -
                             expected) < 0.01);
        }
    }

    void widthEndsInSilence_data() {
        QTest::addColumn<double>("width");
        QTest::newRow("0") << 0.0;
        QTest::newRow("100") << 100.0;
    }
    void widthEndsInSilence() {
        QFETCH(double, width);
        Rig rig("vco");
        rig.set("width", width).run(0.5);
        const LevelReading level = measureLevel(std::span(rig.out("pulse")).last(9600));
        QVERIFY(level.max.value - level.min.value < 1e-4);
    }

    void widthIsTheDutyCycle() {
        for (const double width : {10.0, 25.0, 50.0, 80.0}) {
            Rig rig("vco");
            rig.set("width", width).feed("voct", 0.0).run(1.0);
            // The mean of a pulse of ±5 V is 5(2w - 1).
            const double mean =
                measureLevel(
                    std::span(rig.out("pulse")).last(static_cast<std::size_t>(std::round(96000.0 / 261.6255653 * 100))))
                    .mean.value;
            QVERIFY(std::abs(mean - 5.0 * (0.02 * width - 1.0)) < 0.01);
        }
    }

    void audioRateWidthStaysBandLimited() {
        Rig rig("vco");
        const double hertz = 1661.2187;
        rig.set("pwm-amount", 60)
            .feed("voct", voltsFor(hertz))
            .feed("pwm", [&](double t) { return 5.0 * std::sin(2.0 * kPi * hertz / 2.0 * t); })
            .run(3.0);
        const double floor = aliasFloor(atFileRate(rig.out("pulse")), hertz / 2.0);
        qInfo("audio-rate width: %.1f dB", floor);
        QVERIFY2(floor < -60.0, qPrintable(QString::number(floor)));
    }

    /// sin(ωc t + β sin(ωm t)) has sidebands J_n(β); linear FM with index β = Δf/fm.
    void linearFmFollowsBessel() {
        const double carrier = 2000.0;
        const double modulator = 250.0;
        for (const double index : {0.5, 1.0, 2.0, 3.0}) {
            Rig rig("vco");
            const double amount = 100.0 * index * modulator / carrier; // per cent of the carrier at 5 V
            rig.set("lin-amount", amount).set("through-zero", 1).feed("voct", voltsFor(carrier));
            rig.feed("lin-fm", [&](double t) { return 5.0 * std::cos(2.0 * kPi * modulator * t); }).run(1.2);
            const Spectrum spectrum = measureSpectrum(std::span(rig.out("sine")).subspan(4800, 96000), 96000.0);
            for (int n = -3; n <= 3; ++n) {
                const double expected = 5.0 * std::abs(std::cyl_bessel_j(std::abs(n), index));
                QVERIFY2(std::abs(spectrum.at(carrier + n * modulator) - expected) < 0.02,
                         qPrintable(QStringLiteral("index %1, sideband %2").arg(index).arg(n)));
            }
        }
    }

    void withoutThroughZeroTheOscillatorStops() {
        Rig rig("vco");
        rig.set("lin-amount", 100).feed("lin-fm", -8.0).run(0.3);
        const LevelReading level = measureLevel(std::span(rig.out("saw")).last(4800));
        QVERIFY(level.max.value - level.min.value < 1e-4);
    }

    void throughZeroRunsBackwards() {
        Rig rig("vco");
        rig.set("lin-amount", 100).set("through-zero", 1).feed("voct", voltsFor(100.0)).feed("lin-fm", -10.0).run(0.3);
        // Factor 1 - 10/5 = -1: the same pitch, and the saw falls instead of rising.
        const auto last = std::span(rig.out("saw")).last(9600);
        QVERIFY(std::abs(ratioToCents(measurePitch(last, 96000.0)->hertz.value / 100.0).value) < 0.1);
        int falling = 0;
        for (std::size_t i = 1; i < last.size(); ++i) falling += last[i] < last[i - 1];
        QVERIFY(falling > 9400);
    }

    void expoFmIsOneVoltPerOctaveAtFullDepth() {
        Rig rig("vco");
        rig.set("fm-amount", 100).feed("fm", 1.5).run(2.0);
        const auto& edges = rig.rising("pulse");
        const double hertz = static_cast<double>(edges.size() - 1) / (edges.back() - edges.front());
        QVERIFY(std::abs(ratioToCents(hertz / toHertz({1.5}).value).value) < 0.05);
    }

    void resetsEndACycleOfTheSubToo() {
        std::vector<test::Pulse> resets;
        for (int n = 1; n < 200; ++n) resets.push_back({n / 100.0, n / 100.0 + 0.001});
        Rig rig("vco");
        rig.feed("voct", voltsFor(150.0)).pulses("sync", resets).run(1.0);
        const auto& sub = rig.rising("sub-2");
        QVERIFY(sub.size() > 40);
    }

    void lfoTurnsAtItsRate() {
        figure("lfo", "rate as set, reset within the sample");
        for (const double rate : {0.5, 3.0, 97.0}) {
            Rig rig("lfo");
            rig.set("rate", rate).run(std::max(2.0, 8.0 / rate));
            const auto& edges = rig.rising("square");
            const double hertz = static_cast<double>(edges.size() - 1) / (edges.back() - edges.front());
            QVERIFY(std::abs(hertz / rate - 1.0) < 1e-5);
        }
    }

    void lfoResetsAndFollowsItsCv() {
        Rig rig("lfo");
        rig.set("rate", 2.0).set("rate-amount", 100).feed("rate-cv", 2.0).run(1.0);
        const auto& edges = rig.rising("square");
        QVERIFY(std::abs(static_cast<double>(edges.size() - 1) / (edges.back() - edges.front()) - 8.0) < 1e-3);
        Rig reset("lfo");
        reset.set("rate", 1.0).pulses("reset", {{0.4, 0.41}}).run(0.6);
        const auto at = [&](double t) {
            return static_cast<double>(reset.out("saw")[static_cast<std::size_t>(t * 96000) + 4]);
        };
        QVERIFY(std::abs(at(0.39) - 5.0 * (2.0 * 0.39 - 1.0)) < 0.01);
        QVERIFY(std::abs(at(0.5) - 5.0 * (2.0 * 0.1 - 1.0)) < 0.01);
    }
};

QTEST_APPLESS_MAIN(OscillatorTest)
#include "oscillator_test.moc"
