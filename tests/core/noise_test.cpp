// Noise: slopes in dB per octave, level, and the same from the same seed.
#include "measure/measure.h"
#include "support/analysis.h"
#include "support/rig.h"
#include "units/level.h"

#include <QtTest>

#include <cmath>

using namespace lariat;
using lariat::test::Rig;
using lariat::test::worst;

namespace {

/// Power per hertz around a frequency, in dB, averaged over a third of an octave and many pieces.
double densityAt(const std::vector<float>& volts, double hertz) {
    constexpr std::size_t piece = 1u << 16;
    double power = 0.0;
    int count = 0;
    for (std::size_t start = 0; start + piece <= volts.size(); start += piece) {
        const Spectrum spectrum = measureSpectrum(std::span(volts).subspan(start, piece), 96000.0);
        const auto low = static_cast<std::size_t>(hertz * std::exp2(-1.0 / 6.0) / spectrum.binHertz);
        const auto high = static_cast<std::size_t>(hertz * std::exp2(1.0 / 6.0) / spectrum.binHertz) + 1;
        for (std::size_t bin = low; bin <= high; ++bin) {
            power += static_cast<double>(spectrum.amplitude[bin]) * static_cast<double>(spectrum.amplitude[bin]);
            ++count;
        }
    }
    return 10.0 * std::log10(power / count);
}

} // namespace

class NoiseTest : public QObject {
    Q_OBJECT

    Rig rig_{"noise"};

  private Q_SLOTS:
    void initTestCase() { rig_.run(20.0); }

    void slopes_data() {
        QTest::addColumn<QString>("colour");
        QTest::addColumn<double>("perOctave");
        QTest::newRow("white") << "white" << 0.0;
        QTest::newRow("pink") << "pink" << -3.0103;
        QTest::newRow("red") << "red" << -6.0206;
        QTest::newRow("blue") << "blue" << 3.0103;
        QTest::newRow("violet") << "violet" << 6.0206;
    }
    void slopes() {
        QFETCH(QString, colour);
        QFETCH(double, perOctave);
        const auto& volts = rig_.out(colour.toStdString());
        const double reference = densityAt(volts, 1000.0);
        for (const double hertz : {125.0, 250.0, 500.0, 2000.0, 4000.0, 8000.0}) {
            const double expected = perOctave * std::log2(hertz / 1000.0);
            const double measured = densityAt(volts, hertz) - reference;
            worst("noise", "slopes, 125 Hz…8 kHz,", measured - expected, "dB");
            QVERIFY2(std::abs(measured - expected) < 0.8,
                     qPrintable(QStringLiteral("%1 Hz: %2 instead of %3 dB").arg(hertz).arg(measured).arg(expected)));
        }
    }

    void levelsAreUsable() {
        for (const char* colour : {"white", "pink", "red", "blue", "violet"}) {
            const LevelReading level = measureLevel(rig_.out(colour));
            QVERIFY2(level.rms.value > 1.0 && level.rms.value < 4.0, colour);
            QVERIFY(level.peak().value <= 11.5);
            QVERIFY(std::abs(level.mean.value) < 0.2);
        }
    }

    void sameSeedSameNoise() {
        Rig a("noise", 96000.0, 7);
        Rig b("noise", 96000.0, 7);
        Rig c("noise", 96000.0, 8);
        a.run(0.1);
        b.run(0.1);
        c.run(0.1);
        QCOMPARE(a.out("pink"), b.out("pink"));
        QVERIFY(a.out("pink") != c.out("pink"));
    }
};

QTEST_APPLESS_MAIN(NoiseTest)
#include "noise_test.moc"
