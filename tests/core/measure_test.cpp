// Measuring: levels, pitch, spectrum and readings of signals that are known.
#include "measure/measure.h"
#include "measure/reading.h"
#include "support/patches.h"
#include "units/pitch.h"

#include <QtTest>

#include <cmath>
#include <numbers>
#include <random>

using namespace lariat;
using namespace lariat::test;

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
        QCOMPARE(QString::fromStdString(rangeText(reading)), QStringLiteral("-0.83…+0.17 V"));
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

    /// Over a while: a tone, a drum with its click and its tail, a tune, and noise.
    void pitchOverAWhile() {
        const double rate = 96000.0;
        const auto made = [&](auto&& volts) {
            std::vector<float> out;
            double phase = 0.0;
            for (int n = 0; n < 6 * 96000; ++n) {
                const auto [hertz, level] = volts(n / rate);
                phase += hertz / rate;
                out.push_back(static_cast<float>(level * std::sin(2.0 * std::numbers::pi * phase)));
            }
            return pitchOf(out, rate);
        };
        const auto near = [](const PitchSummary& heard, double hertz, double cents) {
            return heard.steady && std::abs(1200.0 * std::log2(heard.steady->value / hertz)) < cents;
        };
        QVERIFY(near(made([](double) { return std::pair(220.0, 5.0); }), 220.0, 0.1));
        const PitchSummary kick = made([](double t) {
            const double since = std::fmod(t, 0.5);
            return std::pair(36.7 * std::exp2(3.0 * std::exp(-since / 0.02)), 5.0 * std::exp(-since / 0.15));
        });
        QVERIFY(near(kick, 36.7, 20.0));
        const PitchSummary tune = made([](double t) {
            const double notes[] = {146.83, 220.0, 293.66, 174.61};
            return std::pair(notes[static_cast<int>(4.0 * t) % 4], 5.0);
        });
        QVERIFY(!tune.steady && tune.range);
        QVERIFY(std::abs(tune.range->first.value - 146.83) < 1.0 && std::abs(tune.range->second.value - 293.66) < 2.0);
        std::mt19937 random(1);
        std::normal_distribution<float> normal;
        std::vector<float> noise(6 * 96000);
        for (float& v : noise) v = normal(random);
        QVERIFY(pitchOf(noise, rate) == PitchSummary{});
        QVERIFY(pitchOf({}, rate) == PitchSummary{});
    }

    /// What restarts a sound sets its pitch; a row of posts leads to it, a mixer of two does not.
    void theLeaderSetsThePitch() {
        const Patch patch = lamp();
        const auto source = [&](const char* jack) { return pitchSource(patch, workspace().library, jackRef(jack)); };
        QCOMPARE(source("osc-a.saw").output.text(), std::string("osc-b.pulse"));
        QVERIFY(source("osc-a.saw").restarts);
        QCOMPARE(source("vca-1.out").output.text(), std::string("osc-b.pulse"));
        QVERIFY(source("mixer.mix").output.post.empty());
        QVERIFY(source("osc-b.pulse").output.post.empty()); // it is the head itself
        QVERIFY(source("osc-c.sine").output.post.empty());  // a gate restarts it, and sets no pitch
        const PitchSummary own{Hertz{100.0}};
        const PitchSummary moving{std::nullopt, std::pair(Hertz{100.0}, Hertz{200.0})};
        const PitchSummary lead{Hertz{146.8}};
        QVERIFY(heardPitch(own, {jackRef("a.b"), true}, lead) == lead);
        QVERIFY(heardPitch(own, {jackRef("a.b"), false}, lead) == own);
        QVERIFY(heardPitch(moving, {jackRef("a.b"), false}, lead) == lead);
        QVERIFY(heardPitch(moving, {jackRef("a.b"), true}, PitchSummary{}) == moving);
    }

    void rangesHaveTheirSigns() {
        const auto text = [](SignalKind kind, double low, double high) {
            Reading reading;
            reading.kind = kind;
            reading.min = {low};
            reading.max = {high};
            return rangeText(reading);
        };
        QCOMPARE(text(SignalKind::Pitch, -0.83, 0.17), std::string("-0.83…+0.17 V"));
        QCOMPARE(text(SignalKind::Control, -0.25, -0.25), std::string("-0.25 V"));
        QCOMPARE(text(SignalKind::Audio, -5.71, 5.7), std::string("-5.7…+5.7 V"));
        QCOMPARE(text(SignalKind::Gate, 0.0, 8.0), std::string("0.0…+8.0 V"));
        QCOMPARE(text(SignalKind::Control, 0.001, -0.001 + 0.002), std::string("0.00 V"));
    }

    /// DC is read over whole periods: the same wherever the window begins.
    void dcOfASteadySawStands() {
        std::vector<float> saw;
        for (int n = 0; n < 96000; ++n) {
            const double phase = std::fmod(n * 146.83 / 96000.0, 1.0);
            saw.push_back(static_cast<float>(0.1 + 10.0 * phase - 5.0));
        }
        double low = 1e9;
        double high = -1e9;
        for (std::size_t at = 0; at < 40; ++at) {
            const Reading reading = readSignal(std::span(saw).subspan(997 * at, PitchTrack::kFrame), 96000.0, {},
                                               128 / 96000.0, SignalKind::Audio);
            low = std::min(low, reading.dc.value);
            high = std::max(high, reading.dc.value);
        }
        QVERIFY2(low > 0.095 && high < 0.105, qPrintable(QStringLiteral("%1…%2").arg(low).arg(high)));
    }
};

QTEST_APPLESS_MAIN(MeasureTest)
#include "measure_test.moc"
