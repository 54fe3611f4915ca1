// Filters, gates, folders, dynamics, space and the ways out, against closed forms.
#include "support/analysis.h"
#include "support/rig.h"
#include "units/level.h"
#include "units/pitch.h"

#include <QtTest>

#include <cmath>

#include <complex>
#include <fmt/format.h>

using namespace lariat;
using namespace lariat::test;

namespace {

double at(const Rig& rig, const char* jack, double seconds) {
    return static_cast<double>(rig.out(jack)[static_cast<std::size_t>(std::lround(seconds * 96000))]);
}

std::function<double(double)> sine(double volts, double hertz) {
    return [=](double t) { return volts * std::sin(2.0 * kPi * hertz * t); };
}

double decibels(double ratio) {
    return toDecibels(ratio).value;
}

} // namespace

class ShapersTest : public QObject {
    Q_OBJECT

  private Q_SLOTS:
    void ladderMatchesItsPrototype() {
        for (const double resonance : {0.0, 50.0})
            for (const double cutoff : {200.0, 1000.0, 4000.0})
                for (const double hertz : {100.0, 700.0, 1000.0, 2500.0, 8000.0, 12000.0}) {
                    Rig rig("ladder");
                    rig.set("cutoff", cutoff).set("resonance", resonance).feed("in", sine(0.2, hertz)).run(0.5);
                    const std::complex<double> s(0.0, hertz / cutoff);
                    const double k = 0.045 * resonance;
                    const double ideal = std::abs(1.0 / (std::pow(1.0 + s, 4) + k));
                    const double got = amplitudeOf(rig.out("four"), hertz) / 0.2;
                    if (ideal < 1e-3) continue; // below -60 dB
                    worst("ladder", "response to 12 kHz", decibels(got / ideal), "dB");
                    QVERIFY2(std::abs(decibels(got / ideal)) < 0.25,
                             qPrintable(QStringLiteral("%1 Hz, cutoff %2, %3 %: %4 dB")
                                            .arg(hertz)
                                            .arg(cutoff)
                                            .arg(resonance)
                                            .arg(decibels(got / ideal))));
                }
    }

    void ladderSingsInTuneOverFiveOctaves() {
        for (int octave = -2; octave <= 3; ++octave) {
            Rig rig("ladder");
            rig.set("cutoff", 261.6255653).set("resonance", 100).feed("voct", octave).run(5.0);
            const double hertz = pitchOf(part(rig.out("four"), 3.0, 5.0));
            const double cents = 1200.0 * std::log2(hertz / (261.6255653 * std::exp2(octave)));
            worst("ladder", "self-oscillation over five octaves", cents, "cents");
            QVERIFY2(std::abs(cents) < 3.0, qPrintable(QStringLiteral("octave %1: %2 cents").arg(octave).arg(cents)));
        }
    }

    void ladderLosesBassWithResonanceUnlessGivenBack() {
        const auto low = [](double resonance, double bass) {
            Rig rig("ladder");
            rig.set("cutoff", 2000).set("resonance", resonance).set("bass", bass).feed("in", sine(0.2, 50.0)).run(0.5);
            return amplitudeOf(rig.out("four"), 50.0) / 0.2;
        };
        QVERIFY(std::abs(decibels(low(60, 0)) - decibels(1.0 / (1.0 + 4.5 * 0.6))) < 0.2);
        QVERIFY(std::abs(decibels(low(60, 100))) < 0.3);
    }

    void gateRingsDownSlowerInTheDark() {
        figure("low-pass-gate", "rise above 90 % within 12 ms, fall slower the darker");
        Rig rig("low-pass-gate");
        rig.feed("in", sine(5.0, 500.0)).pulses("cv", {{0.05, 0.08}}).run(1.5);
        const auto level = [&](double t) { return amplitudeOf(part(rig.out("out"), 0.0, t), 500.0, 96000.0, 0.02); };
        QVERIFY(level(0.09) > 3.0);
        QVERIFY(level(0.12) < level(0.09) && level(0.3) < 0.2 * level(0.09));
        const double early = at(rig, "light", 0.10) / at(rig, "light", 0.11);
        const double late = at(rig, "light", 0.40) / at(rig, "light", 0.41);
        QVERIFY(early > late);                        // falls faster while it is bright
        QVERIFY(at(rig, "light", 0.062) > 0.9 * 8.0); // and rises fast
    }

    /// A trigger whose falling edge is soft: one strike, in tune over two octaves.
    void struckBankSingsInTune() {
        for (const double volts : {-1.0, -0.4, 0.0, 0.55, 1.0}) {
            Rig rig("resonator-bank");
            rig.set("decay", 3)
                .feed("voct", volts)
                .feed("in", [](double t) { return t < 0.1 ? 0.0 : 4.0 * std::exp(-(t - 0.1) / 0.3); })
                .run(2.0);
            for (int b = 2; b <= 8; ++b) rig.set("level-" + std::to_string(b), 0);
            const double hertz = pitchOf(part(rig.out("mix"), 0.4, 1.6));
            const double cents = 1200.0 * std::log2(hertz / (261.6255653 * std::exp2(volts)));
            worst("resonator-bank", "struck pitch over two octaves", cents, "cents");
            QVERIFY2(std::abs(cents) < 1.0, qPrintable(QString::number(cents)));
        }
    }

    /// Spaced in equal ratios, each band lies the same interval above the one before, a semitone a volt more by CV.
    void bankInEqualRatios() {
        for (const auto& [step, volts] : {std::pair(6.6, 0.0), std::pair(7.0195500087, 0.0), std::pair(5.0, 1.37)})
            for (int band = 1; band <= 5; ++band) {
                Rig rig("resonator-bank");
                rig.set("spacing", 1).set("step", step).set("base", 90).set("decay", 2).set("spread-amount", 100);
                for (int b = 1; b <= 8; ++b) rig.set("level-" + std::to_string(b), b == band ? 100 : 0);
                rig.feed("spread-cv", volts);
                rig.feed("in", [](double t) { return t < 0.1 ? 0.0 : 4.0 * std::exp(-(t - 0.1) / 0.3); }).run(1.6);
                const double hertz = pitchOf(part(rig.out("mix"), 0.3, 1.5));
                const double cents = 1200.0 * std::log2(hertz / 90.0) - 100.0 * (band - 1) * (step + volts);
                worst("resonator-bank", "equal ratios", cents, "cents");
                QVERIFY2(std::abs(cents) < 1.0, qPrintable(QString::number(cents)));
            }
    }

    /// A trigger strikes at both of its ends if both are hard, at its start if its end is soft.
    void aHardTriggerStrikesTwice() {
        const auto second = [](bool soft) {
            Rig rig("resonator-bank");
            rig.set("decay", 0.05).feed("in", [=](double t) {
                if (t < 0.1) return 0.0;
                return t < 0.2 ? 5.0 : soft ? 5.0 * std::exp(-(t - 0.2) / 0.1) : 0.0;
            });
            rig.run(0.4);
            return peakOf(part(rig.out("mix"), 0.2, 0.23)) / peakOf(part(rig.out("mix"), 0.1, 0.13));
        };
        QVERIFY(std::abs(second(false) - 1.0) < 0.1);
        QVERIFY(second(true) < 0.1);
    }

    /// What is muted is so from the first sample, and a mute that is turned on fades.
    void mutedFromTheFirstSample() {
        Rig rig("stereo-mixer");
        rig.set("level-1", 100).set("level-2", 100).set("mute-1", 1).set("send-1", 100).feed("left-1", 5.0).run(0.02);
        for (const char* jack : {"bus-left", "bus-right", "send-left", "send-right"})
            QCOMPARE(peakOf(rig.out(jack)), 0.0);
        Rig soloed("stereo-mixer");
        soloed.set("level-1", 100).set("solo-2", 1).feed("left-1", 5.0).run(0.02);
        QCOMPARE(peakOf(soloed.out("bus-left")), 0.0);
        Rig open("stereo-mixer");
        open.set("level-1", 100).feed("left-1", 5.0).run(0.02);
        QVERIFY(std::abs(open.out("bus-left").front() - 5.0f) < 0.01f);
    }

    /// Mix = mix + V·amount/8, from dry to wet and no further.
    void mixIsMovedByVoltage() {
        for (const char* effect : {"echo", "reverb", "granular"}) {
            const auto out = [&](double mix, double amount, double volts) {
                Rig rig(effect);
                rig.set("mix", mix).set("mix-amount", amount).feed("mix-cv", volts);
                rig.feed("left", [](double t) { return std::sin(2.0 * kPi * 220.0 * t); }).run(0.6);
                return rig.out("left-out");
            };
            const auto same = [](const std::vector<float>& a, const std::vector<float>& b) {
                for (std::size_t i = 0; i < a.size(); ++i)
                    if (std::abs(a[i] - b[i]) > 1e-5f) return false;
                return true;
            };
            QVERIFY(same(out(20, 100, 2.4), out(50, 0, 0)));
            QVERIFY(same(out(90, -50, 8.0), out(40, 0, 0)));
            QVERIFY(same(out(50, 100, 12.0), out(100, 0, 0)));
            QVERIFY(same(out(50, 100, -12.0), out(0, 0, 0)));
            QVERIFY(!same(out(0, 0, 0), out(100, 0, 0)));
        }
    }

    void bankDecaysInItsTime() {
        Rig rig("resonator-bank");
        rig.set("decay", 0.5);
        for (int b = 2; b <= 8; ++b) rig.set("level-" + std::to_string(b), 0);
        rig.feed("in", [](double t) { return t < 0.05 ? 0.0 : 4.0; }).run(1.2);
        const double start = amplitudeOf(part(rig.out("mix"), 0.0, 0.15), 261.6255653, 96000.0, 0.05);
        const double later = amplitudeOf(part(rig.out("mix"), 0.0, 0.40), 261.6255653, 96000.0, 0.05);
        QVERIFY2(std::abs(decibels(later / start) + 30.0) < 0.5, qPrintable(QString::number(decibels(later / start))));
    }

    void foldsLikeASineAndDoesNotAlias() {
        Rig rig("wavefolder");
        rig.set("fold", 100).feed("in", sine(5.0, 1000.0)).run(2.0);
        // 5 sin(π/2 · 10 · sin x): odd harmonics 10 J_n(5π).
        for (const int n : {1, 3, 5, 7, 11, 15})
            QVERIFY(std::abs(amplitudeOf(rig.out("out"), 1000.0 * n) -
                             10.0 * std::abs(std::cyl_bessel_j(n, 5.0 * kPi))) < 0.05);
        const double floor = aliasFloor(atFileRate(rig.out("out")), 1000.0);
        qInfo("wavefolder alias floor %.1f dB", floor);
        figure("wavefolder", fmt::format("folded ten times at 1 kHz: aliases {:.0f} dB", floor));
        QVERIFY2(floor < -60.0, qPrintable(QString::number(floor)));
    }

    void drivesWithoutAliases_data() {
        QTest::addColumn<double>("shape");
        QTest::newRow("soft") << 0.0;
        QTest::newRow("hard") << 1.0;
        QTest::newRow("asymmetric") << 2.0;
    }
    void drivesWithoutAliases() {
        QFETCH(double, shape);
        Rig rig("drive");
        rig.set("shape", shape).set("gain", 20).feed("in", sine(5.0, 1661.0)).run(2.0);
        const double floor = aliasFloor(atFileRate(rig.out("out")), 1661.0);
        qInfo("drive alias floor %.1f dB", floor);
        figure("drive", fmt::format("{}: aliases {:.0f} dB at 20 dB of drive", QTest::currentDataTag(), floor));
        QVERIFY2(floor < -60.0, qPrintable(QString::number(floor)));
        if (shape == 2.0) {
            QVERIFY(amplitudeOf(rig.out("out"), 3322.0) > 0.05);
            QVERIFY(std::abs(meanOf(part(rig.out("out"), 1.0, 2.0))) < 0.02);
        }
    }

    void crushesToStepsOfItsBits() {
        figure("crusher", "levels within 1 % of a step");
        Rig rig("crusher");
        rig.set("bits", 3).set("rate", 1000).feed("in", sine(4.0, 20.0)).run(0.5);
        const double step = 10.0 / 8.0;
        for (double t = 0.1; t < 0.4; t += 0.00100031) {
            const double v = at(rig, "out", std::floor(t * 1000.0) / 1000.0 + 0.0006) / step;
            QVERIFY2(std::abs(v - std::round(v)) < 0.01, qPrintable(QString::number(v)));
        }
    }

    void compressorKeepsItsCurve() {
        for (const double level : {-20.0, -14.0, -12.0, -9.0, -3.0, 0.0}) {
            Rig rig("compressor");
            rig.set("threshold", -12).set("ratio", 4).set("knee", 6).set("attack", 0.002).set("release", 0.05);
            rig.feed("left", sine(5.0 * std::pow(10.0, level / 20.0), 1000.0)).run(1.0);
            const double over = level + 12.0;
            const double reduced = over <= -3.0  ? 0.0
                                   : over >= 3.0 ? -0.75 * over
                                                 : -0.75 * (over + 3.0) * (over + 3.0) / 12.0;
            const double got = decibels(amplitudeOf(rig.out("left-out"), 1000.0) / 5.0) - level;
            worst("compressor", "static curve", got - reduced, "dB");
            QVERIFY2(std::abs(got - reduced) < 0.1,
                     qPrintable(QStringLiteral("%1 dB: %2 for %3").arg(level).arg(got).arg(reduced)));
            QVERIFY(std::abs(at(rig, "reduction", 0.99) + reduced / 6.0) < 0.02);
        }
    }

    void sideChainDucks() {
        Rig rig("compressor");
        rig.set("threshold", -20).set("ratio", 40).set("knee", 0.01).feed("left", sine(1.0, 500.0));
        rig.feed("side-chain", [](double t) { return t > 0.5 ? 5.0 * std::sin(2.0 * kPi * 2000.0 * t) : 0.0; })
            .run(1.2);
        const double before = amplitudeOf(part(rig.out("left-out"), 0.0, 0.5), 500.0, 96000.0, 0.2);
        const double after = amplitudeOf(rig.out("left-out"), 500.0, 96000.0, 0.2);
        QVERIFY(std::abs(decibels(after / before) + 20.0 * 39.0 / 40.0) < 0.2);
    }

    void threeBandsAddUpFlat() {
        for (const double hertz : {60.0, 200.0, 700.0, 2500.0, 9000.0}) {
            Rig rig("band-compressor");
            rig.set("threshold", 6).feed("left", sine(1.0, hertz)).run(0.8);
            worst("band-compressor", "sum of the bands flat", decibels(amplitudeOf(rig.out("left-out"), hertz)), "dB");
            QVERIFY2(std::abs(decibels(amplitudeOf(rig.out("left-out"), hertz))) < 0.15,
                     qPrintable(QString::number(hertz)));
        }
        Rig low("band-compressor");
        low.set("threshold", -40)
            .set("ratio", 40)
            .feed(
                "left",
                [](double t) { return 5.0 * std::sin(2.0 * kPi * 60.0 * t) + 0.02 * std::sin(2.0 * kPi * 8000.0 * t); })
            .run(1.5);
        QVERIFY(amplitudeOf(low.out("left-out"), 60.0) < 0.3);
        QVERIFY(std::abs(decibels(amplitudeOf(low.out("left-out"), 8000.0) / 0.02)) <
                0.5); // the other band is left alone
    }

    void equalizerHasItsGains() {
        figure("equalizer", "gains within 0.3 dB up to 5 kHz, 0.6 dB at 20 kHz");
        const auto gain = [](const char* knob, double hertz) {
            Rig rig("equalizer");
            rig.set(knob, 12).feed("left", sine(0.5, hertz)).run(0.8);
            return decibels(amplitudeOf(rig.out("left-out"), hertz) / 0.5);
        };
        QVERIFY(std::abs(gain("low-gain", 20.0) - 12.0) < 0.3 && std::abs(gain("low-gain", 120.0) - 6.0) < 0.2 &&
                std::abs(gain("low-gain", 5000.0)) < 0.1);
        QVERIFY(std::abs(gain("mid-gain", 1000.0) - 12.0) < 0.1 && std::abs(gain("mid-gain", 40.0)) < 0.2);
        QVERIFY(std::abs(gain("high-gain", 20000.0) - 12.0) < 0.6 && std::abs(gain("high-gain", 6000.0) - 6.0) < 0.2);
    }

    void stereoPlacesAndWidths() {
        figure("panner", "equal power within 0.1 mV");
        figure("stereo-width", "middle and side within 10 µV");
        figure("dc-blocker", "DC of 3 V below 5 mV after 1.5 s, 100 Hz within 1 %");
        Rig pan("panner");
        pan.set("pan", -100).feed("in", 4.0).run(0.01);
        QVERIFY(std::abs(at(pan, "left", 0.005) - 4.0) < 1e-4 && std::abs(at(pan, "right", 0.005)) < 1e-4);
        Rig middle("panner");
        middle.feed("in", 4.0).run(0.01);
        QVERIFY(std::abs(at(middle, "left", 0.005) - 4.0 * std::sqrt(0.5)) < 1e-4);
        Rig mono("stereo-width");
        mono.set("width", 0).feed("left", 4.0).feed("right", 2.0).run(0.01);
        QVERIFY(std::abs(at(mono, "left-out", 0.005) - 3.0) < 1e-5 &&
                std::abs(at(mono, "right-out", 0.005) - 3.0) < 1e-5);
        Rig dc("dc-blocker");
        dc.feed("left", [](double t) { return 3.0 + std::sin(2.0 * kPi * 100.0 * t); }).run(2.0);
        QVERIFY(std::abs(meanOf(part(dc.out("left-out"), 1.5, 2.0))) < 0.005 &&
                std::abs(amplitudeOf(dc.out("left-out"), 100.0) - 1.0) < 0.01);
    }

    void echoRepeatsInTime() {
        figure("echo", "repeats in place, bounded at every feedback");
        Rig rig("echo");
        rig.set("time", 0.1)
            .set("feedback", 50)
            .set("tone", 20000)
            .set("mix", 100)
            .feed("left", [](double t) { return t < 0.01    ? 0.0
                                                : t < 0.011 ? 1.0
                                                            : 0.0; })
            .run(0.6);
        const double first = peakOf(part(rig.out("left-out"), 0.10, 0.12));
        const double second = peakOf(part(rig.out("left-out"), 0.20, 0.22));
        QVERIFY(std::abs(first - 1.0) < 0.05 && std::abs(second / first - 0.5) < 0.06);
        QVERIFY(peakOf(part(rig.out("left-out"), 0.13, 0.19)) < 0.01);
        Rig clocked("echo");
        std::vector<Pulse> pulses;
        for (int n = 0; n < 12; ++n) pulses.push_back({0.2 * n, 0.2 * n + 0.01});
        clocked.set("ratio", 2)
            .set("mix", 100)
            .set("feedback", 0)
            .pulses("clock", pulses)
            .feed("left", [](double t) { return t > 1.5 && t < 1.501 ? 1.0 : 0.0; })
            .run(2.0);
        QVERIFY(peakOf(part(clocked.out("left-out"), 1.595, 1.61)) > 0.5); // half of 200 ms
    }

    void everySettingOfEchoAndReverbIsStable() {
        for (const double feedback : {0.0, 110.0})
            for (const double freeze : {0.0, 1.0}) {
                Rig rig("echo");
                rig.set("feedback", feedback)
                    .set("freeze", freeze)
                    .set("time", 0.02)
                    .set("route", 1)
                    .feed("left", sine(10.0, 300.0))
                    .feed("time-cv", sine(5.0, 70.0))
                    .set("time-amount", 100)
                    .run(4.0);
                QVERIFY(peakOf(rig.out("left-out")) < 12.0);
            }
        for (const double kind : {0.0, 1.0}) {
            Rig rig("reverb");
            rig.set("decay", 60)
                .set("kind", kind)
                .set("mix", 100)
                .feed("left", [](double t) { return t < 1.0 ? 5.0 * std::sin(2.0 * kPi * 220.0 * t) : 0.0; })
                .run(4.0);
            const double early = peakOf(part(rig.out("left-out"), 1.1, 1.5));
            QVERIFY(early > 0.05 && peakOf(part(rig.out("left-out"), 3.5, 4.0)) <= early);
        }
    }

    void reverbDecaysInItsTime() {
        figure("reverb", "60 dB in its time within 4 dB over 0.6 s; bounded at every setting");
        Rig rig("reverb");
        rig.set("decay", 1)
            .set("damping", 20000)
            .set("mix", 100)
            .feed("left", [](double t) { return t < 0.002 ? 5.0 : 0.0; })
            .run(1.5);
        const auto level = [&](double from) { return measure(part(rig.out("left-out"), from, from + 0.2)); };
        const double fall = decibels(level(0.9) / level(0.3));
        QVERIFY2(std::abs(fall + 36.0) < 4.0, qPrintable(QString::number(fall))); // 60 dB a second
    }

    void grainsAreSeededAndFrozenOnesGoOn() {
        figure("granular", "the same for one seed, bounded");
        const auto run = [](std::uint64_t seed) {
            Rig rig("granular", 96000.0, seed);
            rig.set("mix", 100).set("scatter", 80).feed("left", [](double t) {
                return t < 1.0 ? 4.0 * std::sin(2.0 * kPi * 330.0 * t) : 0.0;
            });
            rig.feed("freeze", [](double t) { return t > 0.9 ? 8.0 : 0.0; }).run(3.0);
            return rig.out("left-out");
        };
        const auto a = run(5);
        QVERIFY(a == run(5) && a != run(6));
        QVERIFY(measure(part(a, 2.0, 3.0)) > 0.1);
        QVERIFY(peakOf(a) < 11.5);
    }

    void vcasFallThroughUntilAPlugBreaksTheSum() {
        figure("vca-bank", "sums with and without plugs within 0.1 mV");
        const auto run = [](std::uint64_t plugged) {
            Rig rig("vca-bank");
            rig.setup.pluggedOutputs = plugged;
            for (int n = 1; n <= 4; ++n) rig.set("level-" + std::to_string(n), 100).feed("in-" + std::to_string(n), n);
            rig.run(0.01);
            return at(rig, "out-4", 0.005);
        };
        QVERIFY(std::abs(run(0b1000) - softRail(10.0f)) < 1e-4);
        QVERIFY(std::abs(run(0b1010) - 7.0) < 1e-4); // a plug in output 2 takes channels 1 and 2 away
    }

    void multiplierHasFourQuadrants() {
        figure("ring", "sidebands within 10 mV of 2.5 V, carrier below 1 mV");
        Rig rig("ring");
        rig.feed("x", sine(5.0, 300.0)).feed("y", sine(5.0, 1000.0)).run(1.0);
        QVERIFY(std::abs(amplitudeOf(rig.out("product"), 700.0) - 2.5) < 0.01 &&
                std::abs(amplitudeOf(rig.out("product"), 1300.0) - 2.5) < 0.01);
        QVERIFY(amplitudeOf(rig.out("product"), 1000.0) < 0.001);
        QVERIFY(std::abs(amplitudeOf(rig.out("am"), 1000.0) - 2.5) < 0.01 &&
                std::abs(amplitudeOf(rig.out("am"), 700.0) - 1.25) < 0.01);
    }

    void theMixerMutesSolosPansAndSends() {
        figure("stereo-mixer", "levels, pan, send, mute and solo within 1 mV");
        figure("insert", "exact");
        Rig rig("stereo-mixer");
        rig.feed("left-1", 2.0).feed("left-2", 1.0).feed("right-2", 0.5);
        for (int c : {1, 2}) rig.set("level-" + std::to_string(c), 100);
        rig.set("pan-1", 0).set("send-1", 50).run(0.05);
        QVERIFY(std::abs(at(rig, "bus-left", 0.04) - 3.0) < 1e-3 && std::abs(at(rig, "bus-right", 0.04) - 2.5) < 1e-3);
        QVERIFY(std::abs(at(rig, "send-left", 0.04) - 1.0) < 1e-3);
        rig.set("solo-2", 1).run(0.05);
        QVERIFY(std::abs(at(rig, "bus-left", 0.09) - 1.0) < 1e-3);
        rig.set("mute-2", 1).run(0.05);
        QVERIFY(std::abs(at(rig, "bus-left", 0.14)) < 1e-3);
        Rig insert("insert");
        insert.feed("left", 1.0).feed("right", 2.0).feed("return-left", 3.0).run(0.01);
        QVERIFY(at(insert, "left-out", 0.005) == 3.0 && at(insert, "right-out", 0.005) == 3.0 &&
                at(insert, "to-right", 0.005) == 2.0);
    }

    void theTunerHearsThePitch() {
        figure("scope-probe", "exact, edges included");
        figure("tuner-probe", "440 Hz within a cent");
        Rig rig("tuner-probe");
        rig.feed("in", sine(5.0, 440.0)).run(0.5);
        QVERIFY(std::abs(at(rig, "pitch", 0.45) - 0.75) < 0.001 / 1.2);
        QVERIFY(at(rig, "heard", 0.45) > 5.0 && std::abs(at(rig, "level", 0.45) - 5.0) < 0.1);
    }

    void recordingsPlayAtTheirPitch() {
        figure("sample-player",
               "pitch within 0.1 cent, forward and backward; no alias above -54 dB at four times the speed");
        figure("external-in", "level within 1 %, follower within 10 %");
        auto sample = std::make_shared<Sample>();
        for (int n = 0; n < 48000; ++n)
            sample->left.push_back(static_cast<float>(std::sin(2.0 * kPi * 440.0 * n / 48000.0)));
        const auto hertz = [&](double volts, double direction) {
            Rig rig("sample-player");
            rig.setup.material.sample = sample;
            rig.set("direction", direction).feed("voct", volts).pulses("trigger", {{0.01, 0.02}}).run(0.4);
            return pitchOf(part(rig.out("left"), 0.05, 0.38));
        };
        QVERIFY(std::abs(1200.0 * std::log2(hertz(0.0, 0) / 440.0)) < 0.1);
        QVERIFY(std::abs(1200.0 * std::log2(hertz(1.0, 0) / 880.0)) < 0.1);
        QVERIFY(std::abs(1200.0 * std::log2(hertz(-0.5, 1) / (440.0 / std::sqrt(2.0)))) < 0.1);
        Rig in("external-in");
        in.setup.material.sample = sample;
        in.run(0.5);
        QVERIFY(std::abs(amplitudeOf(in.out("left"), 440.0) - 5.0) < 0.05);
        QVERIFY(std::abs(at(in, "follow", 0.45) - 8.0) < 0.8 && at(in, "gate", 0.45) > 5.0);
    }

    /// A file of 44.1 kHz: 18 kHz has its image at 26.1 kHz, 19 kHz at 25.1 kHz.
    void recordingsOfAnotherRateLeaveNoImage() {
        figure("external-in", "image of a 44.1 kHz recording below -75 dB up to 18 kHz");
        for (const double hertz : {1000.0, 12000.0, 18000.0}) {
            auto sample = std::make_shared<Sample>();
            sample->rate = 44100;
            for (int n = 0; n < 44100; ++n)
                sample->left.push_back(static_cast<float>(std::sin(2.0 * kPi * hertz * n / 44100.0)));
            Rig in("external-in");
            in.setup.material.sample = sample;
            in.run(0.5);
            const auto steady = part(in.out("left"), 0.1, 0.4);
            const double tone = amplitudeOf(steady, hertz);
            const double image = amplitudeOf(steady, 44100.0 - hertz);
            const double down = toDecibels(image / tone).value;
            QVERIFY2(down < -75.0, qPrintable(QStringLiteral("%1 Hz: %2 dB").arg(hertz).arg(down)));
            QVERIFY2(std::abs(tone - 5.0) < (hertz < 15000.0 ? 0.05 : 0.3), qPrintable(QString::number(tone)));
        }
    }

    void fasterRecordingsDoNotAlias() {
        auto sample = std::make_shared<Sample>();
        for (int n = 0; n < 96000; ++n)
            sample->left.push_back(static_cast<float>(std::sin(2.0 * kPi * 19000.0 * n / 48000.0)));
        Rig rig("sample-player");
        rig.setup.material.sample = sample;
        rig.feed("voct", 2.0).pulses("trigger", {{0.01, 0.02}}).run(0.3); // 76 kHz, beyond what there is
        QVERIFY(peakOf(part(rig.out("left"), 0.05, 0.25)) < 0.01);
    }

  private:
    static double measure(const std::vector<float>& volts) {
        double sum = 0.0;
        for (const float v : volts) sum += static_cast<double>(v * v);
        return std::sqrt(sum / static_cast<double>(volts.size()));
    }
};

QTEST_GUILESS_MAIN(ShapersTest)
#include "shapers_test.moc"
