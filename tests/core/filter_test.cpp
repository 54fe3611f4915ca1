// State-variable filter against the analogue prototype, and as an oscillator.
#include "measure/measure.h"
#include "support/analysis.h"
#include "support/rig.h"
#include "units/level.h"
#include "units/pitch.h"

#include <QtTest>

#include <complex>

using namespace lariat;
using namespace lariat::test;

namespace {

using Response = std::complex<double>;

/// H(s) of one output at s = j·f/fc, damping k.
Response prototype(const std::string& output, double ratio, double k) {
    const Response s(0.0, ratio);
    const Response d = s * s + k * s + 1.0;
    if (output == "low") return 1.0 / d;
    if (output == "band") return s / d;
    if (output == "high") return s * s / d;
    return (s * s + 1.0) / d;
}

/// Steady amplitude of the answer to a sine of 0.2 V, small enough that nothing bends.
double gainAt(const std::string& output, double cutoff, double resonance, double hertz) {
    Rig rig("svf");
    rig.set("cutoff", cutoff)
        .set("resonance", resonance)
        .feed("in-1", [&](double t) { return 0.2 * std::sin(2.0 * kPi * hertz * t); })
        .run(0.6);
    return amplitudeOf(rig.out(output), hertz) / 0.2;
}

/// The damping of a resonance setting, as the block's header states it.
double dampingOf(double resonance) {
    const double r = 0.01 * resonance;
    return 2.0 * std::exp2(-5.0 * r) - 0.0825 * r * r * r * r;
}

} // namespace

class FilterTest : public QObject {
    Q_OBJECT

  private Q_SLOTS:
    void responseMatchesTheory_data() {
        QTest::addColumn<QString>("output");
        QTest::addColumn<double>("cutoff");
        QTest::addColumn<double>("resonance");
        for (const char* output : {"low", "band", "high", "notch"})
            for (const double cutoff : {100.0, 1000.0, 4000.0, 9000.0})
                for (const double resonance : {0.0, 40.0, 70.0})
                    QTest::addRow("%s %g Hz %g %%", output, cutoff, resonance) << output << cutoff << resonance;
    }
    /// Within 0.25 dB of the prototype to 12 kHz, wherever the answer is above -40 dB.
    void responseMatchesTheory() {
        QFETCH(QString, output);
        QFETCH(double, cutoff);
        QFETCH(double, resonance);
        for (const double hertz : {60.0, 250.0, 1000.0, 1900.0, 4100.0, 8000.0, 12000.0}) {
            const double expected = std::abs(prototype(output.toStdString(), hertz / cutoff, dampingOf(resonance)));
            if (toDecibels(expected).value < -40.0) continue;
            const double off = toDecibels(gainAt(output.toStdString(), cutoff, resonance, hertz) / expected).value;
            QVERIFY2(std::abs(off) < 0.25, qPrintable(QStringLiteral("%1 Hz: %2 dB off").arg(hertz).arg(off)));
        }
    }

    void selfOscillationIsInTune_data() {
        QTest::addColumn<double>("volts");
        for (double v = -2.0; v <= 3.0; v += 1.0) QTest::addRow("%g V", v) << v;
    }
    /// Five octaves around 261.6 Hz, tracking by v/oct: within 3 cents.
    void selfOscillationIsInTune() {
        QFETCH(double, volts);
        Rig rig("svf");
        rig.set("cutoff", 261.6255653).set("resonance", 100).feed("voct", volts).run(6.0);
        const auto pitch = measurePitch(std::span(rig.out("band")).last(96000), 96000.0);
        QVERIFY(pitch);
        const double cents = ratioToCents(pitch->hertz.value / toHertz({volts}).value).value;
        qInfo("%.2f cents", cents);
        worst("svf", "self-oscillation over five octaves", cents, "cents");
        QVERIFY2(std::abs(cents) < 3.0, qPrintable(QString::number(cents)));
    }

    void selfOscillationSettles() {
        Rig rig("svf");
        rig.set("cutoff", 440).set("resonance", 100).run(8.0);
        const LevelReading level = measureLevel(std::span(rig.out("band")).last(96000));
        QVERIFY(level.max.value > 3.0 && level.max.value < 9.0);
        QVERIFY(std::abs(level.mean.value) < 0.01);
    }

    void belowFullResonanceItRingsDown() {
        Rig rig("svf");
        rig.set("cutoff", 440).set("resonance", 90).pulses("in-1", {{0.1, 0.101}}).run(4.0);
        const LevelReading end = measureLevel(std::span(rig.out("band")).last(9600));
        QVERIFY(end.peak().value < 0.001);
    }

    void cutoffFollowsItsInputs() {
        // One volt at full depth is one octave; the low-pass falls 12 dB per octave far above its cutoff.
        const auto level = [](double volts, double amount) {
            Rig rig("svf");
            rig.set("cutoff", 200).set("resonance", 0).set("amount-1", amount).feed("cv-1", volts);
            rig.feed("in-1", [](double t) { return std::sin(2.0 * kPi * 3000.0 * t); }).run(0.5);
            return measureLevel(std::span(rig.out("low")).last(9600)).rms.value;
        };
        QVERIFY(std::abs(toDecibels(level(1.0, 100) / level(0.0, 100)).value - 12.0) < 0.8);
        QVERIFY(std::abs(toDecibels(level(1.0, 50) / level(0.0, 50)).value - 6.0) < 0.6);
        QVERIFY(std::abs(toDecibels(level(4.0, 0) / level(0.0, 0)).value) < 0.01);
    }

    void inputsAreSummedByTheirLevels() {
        const auto dc = [](double level1, double level2) {
            Rig rig("svf");
            rig.set("cutoff", 1000)
                .set("resonance", 0)
                .set("level-1", level1)
                .set("level-2", level2)
                .feed("in-1", 1.0)
                .feed("in-2", 2.0)
                .run(0.2);
            return static_cast<double>(rig.out("low").back());
        };
        QVERIFY(std::abs(dc(100, 0) - 1.0) < 1e-3);
        QVERIFY(std::abs(dc(50, 100) - 2.5) < 1e-3);
        QVERIFY(std::abs(dc(0, 0)) < 1e-3);
    }

    void driveAddsOddHarmonicsAndStaysInside() {
        Rig rig("svf");
        rig.set("cutoff", 16000)
            .set("resonance", 0)
            .set("drive", 20)
            .feed("in-1", [](double t) { return 5.0 * std::sin(2.0 * kPi * 500.0 * t); })
            .run(1.2);
        const Spectrum spectrum = measureSpectrum(std::span(rig.out("low")).subspan(4800, 96000), 96000.0);
        QVERIFY(spectrum.at(1500.0) > 0.1 * spectrum.at(500.0));
        QVERIFY(spectrum.at(1000.0) < 0.001 * spectrum.at(500.0));
        QVERIFY(measureLevel(rig.out("low")).peak().value < 11.5);
    }

    void sweptAtAudioRateItStaysFinite() {
        Rig rig("svf");
        rig.set("cutoff", 1000).set("resonance", 95).set("amount-1", 100).set("amount-2", 100).set("res-amount", 100);
        rig.feed("in-1", [](double t) { return 8.0 * std::sin(2.0 * kPi * 110.0 * t); });
        rig.feed("cv-1", [](double t) { return 10.0 * std::sin(2.0 * kPi * 2311.0 * t); });
        rig.feed("cv-2", [](double t) { return 10.0 * std::sin(2.0 * kPi * 4871.0 * t); });
        rig.feed("res-cv", [](double t) { return 10.0 * std::sin(2.0 * kPi * 997.0 * t); }).run(3.0);
        for (const char* output : {"low", "band", "high", "notch"}) {
            const LevelReading level = measureLevel(rig.out(output));
            QVERIFY(std::isfinite(level.rms.value));
            QVERIFY(level.peak().value <= 11.5);
        }
    }
};

QTEST_APPLESS_MAIN(FilterTest)
#include "filter_test.moc"
