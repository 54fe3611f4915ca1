// Measuring: levels, pitch, spectrum and readings of signals that are known.
#include "measure/measure.h"
#include "measure/reading.h"
#include "units/pitch.h"

#include <QtTest>

#include <cmath>
#include <random>

using namespace lariat;

namespace {

constexpr double kPi = 3.14159265358979323846;
constexpr double kRate = 96000.0;

template <class Formula> std::vector<float> signal(double seconds, Formula&& formula) {
    std::vector<float> out(static_cast<std::size_t>(seconds * kRate));
    for (std::size_t i = 0; i < out.size(); ++i) out[i] = static_cast<float>(formula(static_cast<double>(i) / kRate));
    return out;
}

std::vector<float> sine(double hertz, double amplitude, double seconds = 0.3) {
    return signal(seconds, [=](double t) { return amplitude * std::sin(2.0 * kPi * hertz * t + 0.3); });
}

double square(double t, double hertz, double width = 0.5) {
    return t * hertz - std::floor(t * hertz) < width ? 1.0 : 0.0;
}

} // namespace

class MeasureTest : public QObject {
    Q_OBJECT

  private Q_SLOTS:
    void levels() {
        const LevelReading level =
            measureLevel(signal(1.0, [](double t) { return 1.0 + 2.0 * std::sin(2.0 * kPi * 100.0 * t); }));
        QVERIFY(std::abs(level.mean.value - 1.0) < 1e-4);
        QVERIFY(std::abs(level.rms.value - std::sqrt(3.0)) < 1e-4);
        QVERIFY(std::abs(level.max.value - 3.0) < 1e-4);
        QVERIFY(std::abs(level.peak().value - 3.0) < 1e-4);
        QCOMPARE(measureLevel({}).rms.value, 0.0);
    }

    void pitchOfSteadyTones_data() {
        QTest::addColumn<double>("hertz");
        for (const double hertz : {30.0, 61.7, 146.832, 440.0, 1234.5, 5000.0}) QTest::addRow("%g Hz", hertz) << hertz;
    }
    void pitchOfSteadyTones() {
        QFETCH(double, hertz);
        const auto pitch = measurePitch(sine(hertz, 3.0, std::max(0.3, 50.0 / hertz)), kRate);
        QVERIFY(pitch);
        QVERIFY2(std::abs(ratioToCents(pitch->hertz.value / hertz).value) < 0.05,
                 qPrintable(QString::number(pitch->hertz.value)));
        QVERIFY(pitch->clarity > 0.99);
    }

    void pitchOfRichTones() {
        const auto saw = signal(0.4, [](double t) { return 4.0 * (2.0 * (110.0 * t - std::floor(110.0 * t)) - 1.0); });
        QVERIFY(std::abs(ratioToCents(measurePitch(saw, kRate)->hertz.value / 110.0).value) < 0.1);
        // The fundamental may be missing: harmonics 2, 3 and 4 of 100 Hz sound at 100 Hz.
        const auto missing = signal(0.4, [](double t) {
            return std::sin(2 * kPi * 200 * t) + std::sin(2 * kPi * 300 * t) + std::sin(2 * kPi * 400 * t);
        });
        QVERIFY(std::abs(measurePitch(missing, kRate)->hertz.value - 100.0) < 0.1);
    }

    void noiseAndSilenceHaveNoPitch() {
        std::mt19937 random(3);
        std::uniform_real_distribution<double> uniform(-5.0, 5.0);
        QVERIFY(!measurePitch(signal(0.3, [&](double) { return uniform(random); }), kRate));
        QVERIFY(!measurePitch(signal(0.3, [](double) { return 0.0; }), kRate));
        QVERIFY(!measurePitch(signal(0.3, [](double) { return 3.0; }), kRate));
        QVERIFY(!measurePitch({}, kRate));
    }

    void spectrumShowsAmplitudes() {
        const Spectrum spectrum = measureSpectrum(
            signal(1.0,
                   [](double t) { return 2.0 * std::sin(2 * kPi * 1000 * t) + 0.01 * std::sin(2 * kPi * 1700 * t); }),
            kRate);
        QVERIFY(std::abs(spectrum.at(1000.0) - 2.0) < 0.01);
        QVERIFY(std::abs(spectrum.at(1700.0) - 0.01) < 0.0002);
        QVERIFY(spectrum.at(1350.0) < 1e-4);
    }

    void edgesAndGates() {
        const auto gate = signal(1.0, [](double t) { return 8.0 * square(t - 0.05, 5.0, 0.3); });
        const std::vector<double> edges = risingEdges(gate, kRate);
        QCOMPARE(edges.size(), std::size_t{5});
        for (std::size_t n = 0; n < edges.size(); ++n)
            QVERIFY(std::abs(edges[n] - 0.05 - 0.2 * static_cast<double>(n)) < 2e-5);
        QVERIFY(std::abs(longestHigh(gate, kRate) - 0.06) < 2e-5);
    }

    void readingOfAudio() {
        const Reading reading = readRecording(sine(146.832, 5.0, 1.0), kRate, SignalKind::Control);
        QCOMPARE(reading.kind, SignalKind::Audio); // measured, whatever the jack says
        QVERIFY(reading.pitch);
        QVERIFY(!reading.comesAndGoes && !reading.clips);
        QCOMPARE(QString::fromStdString(rangeText(reading)), QStringLiteral("-5.0…+5.0 V"));
        QCOMPARE(QString::fromStdString(detailText(reading)), QStringLiteral("147 Hz · D3"));
    }

    void readingOfHits() {
        const auto hits = signal(2.0, [](double t) {
            return 5.0 * std::exp(-20.0 * (t - 0.5 * std::floor(2.0 * t))) * std::sin(2 * kPi * 200 * t);
        });
        QVERIFY(readRecording(hits, kRate, SignalKind::Audio).comesAndGoes);
    }

    void readingOfControl() {
        const Reading slow = readRecording(
            signal(2.0, [](double t) { return 4.0 + 4.0 * std::sin(2 * kPi * 0.7 * t); }), kRate, SignalKind::Control);
        QCOMPARE(slow.kind, SignalKind::Control);
        const Reading steady = readRecording(signal(2.0, [](double) { return 2.5; }), kRate, SignalKind::Control);
        QCOMPARE(QString::fromStdString(detailText(steady)), QStringLiteral("steady"));
    }

    void readingOfPitch() {
        const Reading reading = readRecording(signal(1.0, [](double t) { return t < 0.5 ? -10.0 / 12.0 : 2.0 / 12.0; }),
                                              kRate, SignalKind::Pitch);
        QCOMPARE(QString::fromStdString(detailText(reading)), QStringLiteral("D3…D4"));
        QCOMPARE(QString::fromStdString(rangeText(reading)), QStringLiteral("-0.83…0.17 V"));
    }

    void readingOfGatesAndClocks() {
        const Reading gate =
            readRecording(signal(2.0, [](double t) { return 8.0 * square(t, 4.0, 0.248); }), kRate, SignalKind::Gate);
        QCOMPARE(QString::fromStdString(detailText(gate)), QStringLiteral("62 ms open"));
        const Reading clock =
            readRecording(signal(2.0, [](double t) { return 5.0 * square(t, 7.5); }), kRate, SignalKind::Clock);
        QVERIFY(clock.pitch && std::abs(clock.pitch->value - 7.5) < 0.05);
        const Reading silent = readRecording(signal(1.0, [](double) { return 0.0; }), kRate, SignalKind::Gate);
        QCOMPARE(QString::fromStdString(detailText(silent)), QStringLiteral("stays low"));
    }

    void readingTellsClipping() {
        QVERIFY(readRecording(sine(100, 10.8), kRate, SignalKind::Audio).clips);
        QVERIFY(!readRecording(sine(100, 9.9), kRate, SignalKind::Audio).clips);
    }
};

QTEST_APPLESS_MAIN(MeasureTest)
#include "measure_test.moc"
