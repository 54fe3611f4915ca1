// The figures of the Bench against closed forms and synthetic recordings with known answers, and its answers to shipped
// patches.
#include "ask/ask.h"
#include "ask/loud.h"
#include "ask/on_sheet.h"
#include "ask/tracking.h"
#include "maker/calibrate_module.h"
#include "measure/align.h"
#include "measure/hits.h"
#include "measure/partials.h"
#include "measure/pitch_line.h"
#include "measure/relate.h"
#include "measure/repeats.h"
#include "measure/vowels.h"
#include "measure/wave.h"
#include "model/audio_file.h"
#include "model/edit.h"
#include "model/sound_writer.h"
#include "support/patches.h"
#include "units/pitch.h"

#include <QTemporaryDir>
#include <QtTest>

#include <cmath>
#include <fstream>
#include <limits>
#include <numbers>
#include <random>

using namespace lariat;
using namespace lariat::test;

namespace {

constexpr double kRate = 96000.0;
constexpr double kTurn = 2.0 * std::numbers::pi;

std::vector<float> made(double seconds, const std::function<double(double)>& volts, double rate = kRate) {
    std::vector<float> out;
    const auto count = static_cast<std::size_t>(seconds * rate);
    for (std::size_t i = 0; i < count; ++i) out.push_back(static_cast<float>(volts(static_cast<double>(i) / rate)));
    return out;
}

/// The same with noise so many dB below a level.
std::vector<float> noisy(std::vector<float> volts, double rms, unsigned seed = 1) {
    std::mt19937 random(seed);
    std::normal_distribution<float> noise(0.0f, static_cast<float>(rms));
    for (float& v : volts) v += noise(random);
    return volts;
}

Trace trace(std::string name, std::vector<float> volts, SignalKind kind = SignalKind::Audio, double rate = kRate) {
    Trace out;
    out.name = std::move(name);
    out.volts = std::move(volts);
    out.kind = kind;
    out.rate = rate;
    return out;
}

Answer asked(Question question, std::vector<Trace> tracks, AskOptions options = {}) {
    Asked all;
    all.question = question;
    all.tracks = std::move(tracks);
    all.options = std::move(options);
    return ask(all).value();
}

double figure(const Answer& answer, const char* id) {
    const AskedFigure* one = answer.figure(id);
    return one && one->value ? *one->value : std::numeric_limits<double>::quiet_NaN();
}

/// A drum: a sine that falls from three times its tail, and dies away.
std::vector<float> drum(double seconds, double tail, double t60, double level = 5.0, double late = 0.0) {
    double phase = 0.0;
    return made(seconds, [&](double t) {
        if (t < late) return 0.0;
        const double at = t - late;
        phase += (tail + 2.0 * tail * std::exp(-at / 0.006)) / kRate;
        return level * std::exp(-6.9078 * at / t60) * std::sin(kTurn * phase);
    });
}

/// An envelope of straight lines.
double adsr(double t, double attack, double decay, double sustain, double gate, double release) {
    if (t < 0.0) return 0.0;
    if (t < attack) return 8.0 * t / attack;
    if (t < attack + decay) return 8.0 + (sustain - 8.0) * (t - attack) / decay;
    if (t < gate) return sustain;
    return std::max(0.0, sustain * (1.0 - (t - gate) / release));
}

std::vector<float> gates(double seconds, double period, double open, double rate = kRate) {
    return made(
        seconds, [&](double t) { return std::fmod(t, period) < open && t >= 0.0 ? 8.0 : 0.0; }, rate);
}

} // namespace

class AskTest : public QObject {
    Q_OBJECT

  private Q_SLOTS:
    void wavesAreMeasured() {
        const auto pulse = made(0.5, [](double t) { return std::fmod(123.4 * t, 1.0) < 0.37 ? 5.0 : -5.0; });
        const WaveReading wave = measureWave(pulse, kRate);
        QVERIFY(std::abs(*wave.hertz - 123.4) < 0.01);
        QVERIFY(std::abs(*wave.duty - 0.37) < 0.002);
        QVERIFY(*wave.overshoot < 0.01);
        QVERIFY(*wave.rise < 2.0 / kRate);
        // An RC rise takes 2.197 time constants from 10 to 90 %.
        const auto charge = made(0.4, [](double t) {
            const double at = std::fmod(t, 0.1);
            return at < 0.05 ? 8.0 * (1.0 - std::exp(-at / 0.002)) : 8.0 * std::exp(-(at - 0.05) / 0.002);
        });
        const WaveReading rc = measureWave(charge, kRate);
        QVERIFY2(std::abs(*rc.rise - 2.1972 * 0.002) < 5e-5, qPrintable(QString::number(*rc.rise)));
        QVERIFY(std::abs(*rc.fall - 2.1972 * 0.002) < 5e-5);
        // A second-order step overshoots by exp(-π ζ / √(1-ζ²)).
        const double zeta = 0.4;
        const auto ringing = made(0.4, [&](double t) {
            const double at = std::fmod(t, 0.1);
            const double sign = at < 0.05 ? 1.0 : 0.0;
            const double since = at < 0.05 ? at : at - 0.05;
            const double w = 2000.0;
            const double wd = w * std::sqrt(1 - zeta * zeta);
            const double step =
                1.0 - std::exp(-zeta * w * since) * (std::cos(wd * since) + zeta * w / wd * std::sin(wd * since));
            return 5.0 * (sign > 0.5 ? step : 1.0 - step);
        });
        const double over = std::exp(-std::numbers::pi * zeta / std::sqrt(1 - zeta * zeta));
        QVERIFY(std::abs(*measureWave(ringing, kRate).overshoot - over) < 0.01);
        // What stands still has a level and nothing else.
        const WaveReading still = measureWave(made(0.1, [](double) { return 2.5; }), kRate);
        QVERIFY(!still.hertz && !still.rise && std::abs(still.level.mean.value - 2.5) < 1e-6);
    }

    void phasesAreInDegrees() {
        const auto at = [](double degrees) {
            return made(1.0, [=](double t) { return 5.0 * std::sin(kTurn * (7.3 * t + degrees / 360.0)); });
        };
        for (const double degrees : {-135.0, -45.0, 0.0, 30.0, 90.0})
            QVERIFY2(std::abs(*phaseBetween(at(0.0), at(degrees), kRate) - degrees) < 0.1,
                     qPrintable(QString::number(*phaseBetween(at(0.0), at(degrees), kRate))));
        QVERIFY(!phaseBetween(at(0.0), made(1.0, [](double t) { return std::sin(kTurn * 11.0 * t); }), kRate));
    }

    void stagesEndWhereLinesMeet() {
        const auto volts = made(0.5, [](double t) { return adsr(t, 0.0053, 0.0801, 3.2, 0.2007, 0.1202); });
        const auto stages = measureStages(volts, kRate, 0.2007 * kRate);
        QVERIFY(stages && stages->decay && stages->release && stages->straight);
        QVERIFY2(std::abs(stages->attack - 0.0053) < 1e-4, qPrintable(QString::number(stages->attack)));
        QVERIFY2(std::abs(*stages->decay - 0.0801) < 1e-4, qPrintable(QString::number(*stages->decay)));
        QVERIFY2(std::abs(*stages->release - 0.1202) < 1e-4, qPrintable(QString::number(*stages->release)));
        QVERIFY(std::abs(stages->sustain - 3.2) < 1e-3);
        // Exponential ones count within 1 %: 4.6 time constants.
        const auto bent =
            made(0.6, [](double t) { return t < 0.005 ? 8.0 * t / 0.005 : 3.0 + 5.0 * std::exp(-(t - 0.005) / 0.02); });
        const auto curved = measureStages(bent, kRate, 0.5 * kRate);
        QVERIFY(curved && curved->decay && !curved->straight);
        QVERIFY(std::abs(*curved->decay - 0.02 * std::log(100.0)) < 5e-4);
        // A gate that closes too soon leaves no sustain to be told.
        const auto hurried = made(0.1, [](double t) { return adsr(t, 0.005, 0.2, 3.2, 0.04, 0.1); });
        QVERIFY(!measureStages(hurried, kRate, 0.04 * kRate)->decay);
    }

    void tailsAreFittedThroughNoise() {
        for (const double below : {40.0, 20.0, 10.0}) {
            double worst = 0.0;
            for (unsigned seed = 1; seed <= 8; ++seed) {
                const double rms = 2.0 / std::sqrt(2.0) * std::pow(10.0, -below / 20.0);
                const auto tail = noisy(
                    made(0.06, [](double t) { return 2.0 * std::exp(-t / 0.05) * std::sin(kTurn * 50.0 * t + 0.7); }),
                    rms, seed);
                const auto fit = fitDampedSine(tail, kRate, 47.0);
                QVERIFY(fit);
                worst = std::max(worst, std::abs(1200.0 * std::log2(fit->hertz / 50.0)));
            }
            QVERIFY2(worst < 3.0, qPrintable(QStringLiteral("%1 cents at %2 dB").arg(worst).arg(below)));
        }
    }

    void hitsAreComparedOneByOne() {
        std::vector<float> all;
        std::vector<double> triggers;
        for (int h = 0; h < 16; ++h) {
            triggers.push_back(static_cast<double>(all.size()) / kRate);
            const bool odd = h == 8;
            const auto one = drum(0.5, 49.0, 0.31, odd ? 5.0 * std::pow(10.0, 1.2 / 20.0) : 5.0, odd ? 0.0003 : 0.0);
            all.insert(all.end(), one.begin(), one.end());
        }
        const auto hits = measureHits(all, kRate, triggers);
        QCOMPARE(hits.size(), std::size_t{16});
        for (std::size_t h = 0; h < hits.size(); ++h) {
            QVERIFY2(hits[h].t60 && std::abs(*hits[h].t60 / 0.31 - 1.0) < 0.05,
                     qPrintable(QString::number(*hits[h].t60)));
            QVERIFY(hits[h].t20 && std::abs(*hits[h].t20 / (0.31 / 3.0) - 1.0) < 0.06);
            QVERIFY2(hits[h].tail && std::abs(1200.0 * std::log2(*hits[h].tail / 49.0)) < 3.0,
                     qPrintable(QString::number(*hits[h].tail)));
            if (h != 8) QVERIFY(hits[h].differs < 0.05);
        }
        QVERIFY(std::abs(hits[8].late - 0.0003) < 1.5 / kRate);
        QVERIFY(std::abs(hits[8].louder - 1.2) < 0.2);
        QVERIFY(hits[8].differs > 5.0);
        // T60 by its slope where the next hit comes before.
        const auto cut = drum(0.2, 80.0, 0.4);
        const std::vector<double> one{0.0};
        const auto short_ = measureHits(cut, kRate, one);
        QVERIFY(short_.size() == 1 && !short_[0].t60Reached && std::abs(*short_[0].t60 / 0.4 - 1.0) < 0.05);

        // The answer says which, and cuts by itself what brings no gate.
        const Answer answer = asked(Question::Same, {trace("drum", all)});
        QCOMPARE(figure(answer, "hits"), 16.0);
        QVERIFY2(answer.verdict.str().find("hit 9") != std::string::npos, answer.verdict.str().c_str());
        QVERIFY2(std::abs(figure(answer, "tail-hertz") - 49.0) < 0.1,
                 qPrintable(QString::number(figure(answer, "tail-hertz"))));
        QVERIFY(std::abs(figure(answer, "t60-seconds") / 0.31 - 1.0) < 0.05);
        // 16 hits half a second apart: what is free is the rest of it.
        QVERIFY(std::abs(figure(answer, "free-seconds") - 0.19) < 0.02);
    }

    void pitchIsFollowed() {
        // Steady within 0.1 cent, through noise too.
        for (const double rms : {0.0, 0.02}) {
            const auto tone = noisy(made(2.0, [](double t) { return 3.0 * std::sin(kTurn * 146.832 * t); }), rms);
            const Answer answer = asked(Question::Note, {trace("tone", tone)});
            const double cents = 1200.0 * std::log2(figure(answer, "pitch-hertz") / 146.832);
            QVERIFY2(std::abs(cents) < 0.1, qPrintable(QString::number(cents)));
        }
        // A chord repeats itself as a whole, but is no tone; a voice without much of its first harmonic is one.
        const auto chord = made(2.0, [](double t) {
            double sum = 0.0;
            for (const double part : {4.0, 5.0, 6.0}) sum += std::sin(kTurn * part * 55.0 * t);
            return 2.0 * sum;
        });
        const Answer many = asked(Question::Note, {trace("chord", chord)});
        QVERIFY2(many.verdict.str().find("no single tone") != std::string::npos && !many.figure("pitch-hertz"),
                 many.verdict.str().c_str());
        const auto voice = made(2.0, [](double t) {
            double sum = 0.0;
            for (int n = 1; n <= 30; ++n)
                sum += std::exp(-std::pow((n - 18) / 7.0, 2)) * std::sin(kTurn * n * 55.0 * t);
            return sum;
        });
        QVERIFY(std::abs(figure(asked(Question::Note, {trace("voice", voice)}), "pitch-hertz") - 55.0) < 0.01);
        // Vibrato: rate and depth.
        double phase = 0.0;
        const auto swaying = made(3.0, [&](double t) {
            phase += 220.0 * std::exp2(20.0 / 1200.0 * std::sin(kTurn * 5.5 * t)) / kRate;
            return 4.0 * std::sin(kTurn * phase);
        });
        const Answer sway = asked(Question::Note, {trace("sway", swaying)});
        QVERIFY2(std::abs(figure(sway, "vibrato-hertz") - 5.5) < 0.1,
                 qPrintable(QString::number(figure(sway, "vibrato-hertz"))));
        QVERIFY2(std::abs(figure(sway, "vibrato-cents") - 20.0) < 2.0,
                 qPrintable(QString::number(figure(sway, "vibrato-cents"))));
        // A glide of 200 ms over a fifth, and a step that is none.
        phase = 0.0;
        const auto gliding = made(2.0, [&](double t) {
            const double octaves = 7.0 / 12.0 * std::clamp((t - 0.8) / 0.2, 0.0, 1.0);
            phase += 110.0 * std::exp2(octaves) * (t > 1.5 ? 4.0 / 3.0 : 1.0) / kRate;
            return 4.0 * std::sin(kTurn * phase);
        });
        const auto glides = glidesOf(pitchLine(gliding, kRate));
        QCOMPARE(glides.size(), std::size_t{1});
        QVERIFY2(std::abs(glides[0].seconds - 0.2) < 0.04, qPrintable(QString::number(glides[0].seconds)));
        QVERIFY(std::abs(glides[0].at - 0.8) < 0.04);
    }

    void harmonicsAreThoseOfTheSeries() {
        // A band-limited saw: the n-th is 1/n of the first, to the fortieth.
        const double hertz = 110.7;
        const auto saw = made(0.68267, [&](double t) {
            double sum = 0.0;
            for (int n = 1; n <= 60; ++n) sum += std::sin(kTurn * n * hertz * t) / n;
            return 3.0 * sum;
        });
        const Partials partials = measurePartials(measureSpectrum(saw, kRate), hertz);
        QVERIFY(partials.amplitude.size() >= 40);
        for (std::size_t n = 1; n <= 40; ++n) {
            const double off = 20.0 * std::log10(partials.amplitude[n - 1] * static_cast<double>(n) / 3.0);
            QVERIFY2(std::abs(off) < 0.1, qPrintable(QStringLiteral("harmonic %1 is %2 dB off").arg(n).arg(off)));
        }
        // Sidebands of FM are Bessel functions of the index.
        const double index = 1.3;
        const auto fm = made(
            1.0, [&](double t) { return 5.0 * std::sin(kTurn * 1000.0 * t + index * std::sin(kTurn * 130.0 * t)); });
        for (const Sideband& band : measureSidebands(measureSpectrum(fm, kRate), 1000.0, 130.0, 4)) {
            const double expected = 5.0 * std::abs(std::cyl_bessel_j(std::abs(band.order), index));
            QVERIFY2(std::abs(20.0 * std::log10(band.amplitude / expected)) < 0.1,
                     qPrintable(QStringLiteral("order %1").arg(band.order)));
        }
        // A sine with noise 40 dB under it: the floor is the noise in 20 Hz … 20 kHz.
        const auto tone =
            noisy(made(0.68267, [](double t) { return std::sqrt(2.0) * std::sin(kTurn * 1000.0 * t); }), 0.01);
        const double expected = 0.01 * std::sqrt(19980.0 / 48000.0);
        const double floor = measurePartials(measureSpectrum(tone, kRate), 1000.0).floor;
        QVERIFY2(std::abs(20.0 * std::log10(floor / expected)) < 0.5, qPrintable(QString::number(floor)));
    }

    void whatIsInItIsTold() {
        const auto square = made(1.0, [](double t) {
            double sum = 0.0;
            for (int n = 1; n <= 99; n += 2) sum += std::sin(kTurn * n * 220.0 * t) / n;
            return 4.0 * sum;
        });
        const auto triangle = made(1.0, [](double t) {
            double sum = 0.0;
            for (int n = 1; n <= 99; n += 2)
                sum += (n % 4 == 1 ? 1.0 : -1.0) * std::sin(kTurn * n * 220.0 * t) / (n * n);
            return 4.0 * sum;
        });
        const Answer odd = asked(Question::Content, {trace("square", square), trace("triangle", triangle)});
        QVERIFY(odd.verdict.str().find("odd harmonics only") != std::string::npos);
        QVERIFY(odd.more.str().find("triangle is duller") != std::string::npos);
        QVERIFY(std::abs(figure(odd, "slope-decibels") + 6.02) < 0.1 ||
                std::abs(figure(odd, "slope-decibels-1") + 6.02) < 0.1);
        const Answer noise =
            asked(Question::Content, {trace("hiss", noisy(made(1.0, [](double) { return 0.0; }), 1.0))});
        QVERIFY2(noise.verdict.str().find("is noise") != std::string::npos, noise.verdict.str().c_str());
        QVERIFY(!noise.figure("pitch-hertz"));
        // A vowel: a saw of 80 Hz through three resonances stands at its formants.
        for (const char* name : {"ah", "ee", "oo"}) {
            const auto vowel =
                std::ranges::find_if(kVowels, [&](const Vowel& v) { return std::string(v.name) == name; });
            std::vector<double> x(static_cast<std::size_t>(kRate));
            for (std::size_t i = 0; i < x.size(); ++i)
                x[i] = 10.0 * std::fmod(static_cast<double>(i) * 80.0 / kRate, 1.0) - 5.0;
            for (const double hertz : vowel->hertz) {
                const double r = std::exp(-std::numbers::pi * 70.0 / kRate);
                const double c = 2.0 * r * std::cos(kTurn * hertz / kRate);
                double y1 = 0.0;
                double y2 = 0.0;
                for (double& v : x) {
                    v = (1.0 - c + r * r) * v + c * y1 - r * r * y2;
                    y2 = y1;
                    y1 = v;
                }
            }
            const Answer said = asked(Question::Content, {trace("voice", {x.begin(), x.end()})}, {.vowel = name});
            for (int f = 1; f <= 2; ++f) {
                const double hertz = figure(said, f == 1 ? "f1-hertz" : "f2-hertz");
                const double want = vowel->hertz[static_cast<std::size_t>(f - 1)];
                QVERIFY2(std::abs(hertz / want - 1.0) < 0.05,
                         qPrintable(QStringLiteral("%1 F%2 %3").arg(QLatin1String(name)).arg(f).arg(hertz)));
            }
        }
    }

    void whatCannotBeMeasuredGivesNoNumber() {
        const auto silence = made(1.0, [](double) { return 0.0; });
        for (const Question question : {Question::Shape, Question::Note, Question::Same, Question::Content}) {
            const Answer answer = asked(question, {trace("nothing", silence)});
            QVERIFY(!answer.verdict.empty());
            QVERIFY(!answer.figure("pitch-hertz") && !answer.figure("hertz") && !answer.figure("t60-seconds"));
        }
        const Answer hiss = asked(Question::Note, {trace("hiss", noisy(silence, 1.0))});
        QVERIFY2(hiss.verdict.str().find("no pitch") != std::string::npos, hiss.verdict.str().c_str());
        const Answer brief =
            asked(Question::Note, {trace("brief", made(0.01, [](double t) { return std::sin(6000.0 * t); }))});
        QVERIFY(brief.verdict.str().find("too short") != std::string::npos);
        QVERIFY(!brief.figure("pitch-hertz"));
        QVERIFY(!ask({}).has_value());
        Asked late{Question::Note, {trace("tone", silence)}, {}, {}, {}};
        late.options.from = 5.0;
        QVERIFY(!ask(late).has_value());
        // An echo's comb on noise is told as what it is.
        auto comb = noisy(silence, 1.0);
        const auto lag = static_cast<std::size_t>(0.0125 * kRate);
        for (std::size_t i = lag; i < comb.size(); ++i) comb[i] += 0.7f * comb[i - lag];
        const auto repeat = repeatOf(comb, kRate);
        QVERIFY(repeat && std::abs(repeat->seconds - 0.0125) < 2.0 / kRate);
        QVERIFY(!repeatOf(noisy(silence, 1.0), kRate));
    }

    void relationsAreSaid() {
        const auto sine = [](double hertz) {
            return made(2.0, [=](double t) { return 4.0 * std::sin(kTurn * hertz * t); });
        };
        const Answer fifth = asked(Question::Relate, {trace("a", sine(220.0)), trace("b", sine(330.5))});
        QVERIFY(std::abs(figure(fifth, "cents-2") - 1200.0 * std::log2(330.5 / 220.0)) < 0.1);
        QVERIFY(std::abs(figure(fifth, "beat-hertz-2") - 1.0) < 0.02);
        QVERIFY2(fifth.verdict.str().find("fifth") != std::string::npos, fifth.verdict.str().c_str());
        const Answer chord =
            asked(Question::Relate, {trace("a", sine(200.0)), trace("b", sine(250.0)), trace("c", sine(300.0))});
        QCOMPARE(chord.figure("chord")->text, std::string("4:5:6"));
        QVERIFY(chord.verdict.str().find("major triad") != std::string::npos);
        QVERIFY(std::abs(figure(chord, "repeat-seconds") - 0.02) < 1e-5);
        // 15:10:6, a divider's ÷2, ÷3 and ÷5, repeats every thirty input cycles.
        const auto divided = chordOf({300.0 / 2, 300.0 / 3, 300.0 / 5});
        QVERIFY(divided && divided->parts == (std::vector<long>{6, 10, 15}));
        // Gates.
        const auto a = trace("a", gates(6.0, 0.5, 0.05), SignalKind::Gate);
        const auto b = trace("b", gates(6.0, 0.75, 0.05), SignalKind::Gate);
        const Answer poly = asked(Question::Relate, {a, b});
        QVERIFY2(std::abs(figure(poly, "meet-seconds-2") - 1.5) < 1e-3, poly.verdict.str().c_str());
        auto later = gates(6.0, 0.5, 0.05);
        later.insert(later.begin(), static_cast<std::size_t>(0.013 * kRate), 0.0f);
        const Answer offset = asked(Question::Relate, {a, trace("c", later, SignalKind::Gate)});
        QVERIFY(std::abs(figure(offset, "offset-seconds-2") - 0.013) < 2e-5);
        // Levels.
        const auto slow = [](double lag) {
            return made(8.0, [=](double t) { return 2.0 + std::sin(1.7 * (t - lag)) + std::sin(4.1 * (t - lag)); });
        };
        const Answer follows = asked(Question::Relate, {trace("a", slow(0.0), SignalKind::Control),
                                                        trace("b", slow(0.12), SignalKind::Control)});
        QVERIFY2(std::abs(figure(follows, "lag-seconds-2") - 0.12) < 0.003, follows.verdict.str().c_str());
        // At another rate, as a recording has it.
        Trace recorded = trace("b", {}, SignalKind::Control, 44100.0);
        for (std::size_t i = 0; i < static_cast<std::size_t>(8.0 * 44100.0); ++i) {
            const double t = static_cast<double>(i) / 44100.0 - 0.12;
            recorded.volts.push_back(static_cast<float>(2.0 + std::sin(1.7 * t) + std::sin(4.1 * t)));
        }
        const Answer again = asked(Question::Relate, {trace("a", slow(0.0), SignalKind::Control), recorded});
        QVERIFY2(std::abs(figure(again, "lag-seconds-2") - 0.12) < 0.004, again.verdict.str().c_str());
    }

    void recordingsAreLaidOverEachOther() {
        std::mt19937 random(7);
        std::normal_distribution<float> normal;
        std::vector<float> a(static_cast<std::size_t>(10 * 48000));
        float low = 0.0f;
        for (float& v : a) v = low += 0.02f * (normal(random) - low); // noise with less treble
        for (const double ppm : {0.0, 37.0, -112.0}) {
            auto b = aligned(a, 48000.0, {0.0, true, 1.0 / 0.6, -ppm, 1.0}, a.size());
            b.insert(b.begin(), 12345, 0.0f);
            const auto found = align(a, noisy(b, 0.002), 48000.0);
            QVERIFY(found);
            QVERIFY(found->inverted);
            QVERIFY2(std::abs(found->offset * 48000.0 - 12345.0) < 1.0,
                     qPrintable(QString::number(found->offset * 48000.0)));
            QVERIFY2(std::abs(found->drift - ppm) < 1.0,
                     qPrintable(QStringLiteral("%1 for %2").arg(found->drift).arg(ppm)));
            QVERIFY2(
                std::abs(20.0 * std::log10(found->gain / 0.6)) < 0.05,
                qPrintable(QStringLiteral("%1 at %2 ppm, alike %3").arg(found->gain).arg(ppm).arg(found->likeness)));
        }
        QVERIFY(!align(a, std::vector<float>(48000, 0.0f), 48000.0));
    }

    void filesThatLieAreRefused() {
        const QTemporaryDir folder;
        const auto path = [&](const char* name) {
            return std::filesystem::path(folder.filePath(QLatin1String(name)).toStdString());
        };
        const auto why = [&](const char* name, const FileOptions& options = {}) {
            const auto read = readTrack(path(name), options);
            return read ? std::string() : read.error().text();
        };
        QVERIFY(!why("missing.wav").empty());
        std::ofstream(path("text.wav")) << "this is no sound at all, it only says so";
        QVERIFY(!why("text.wav").empty());
        QVERIFY(writeWav(path("empty.wav"), {}, 1, 48000.0).has_value());
        QVERIFY(why("empty.wav").find("no samples") != std::string::npos);
        std::vector<float> bad(1000, 0.1f);
        bad[700] = std::numeric_limits<float>::quiet_NaN();
        QVERIFY(writeWav(path("nan.wav"), bad, 1, 48000.0).has_value());
        QVERIFY2(why("nan.wav").find("sample 700") != std::string::npos, why("nan.wav").c_str());
        std::vector<float> many(32 * 4000);
        for (std::size_t i = 0; i < many.size(); ++i) many[i] = static_cast<float>(i % 32) / 32.0f;
        QVERIFY(writeWav(path("many.wav"), many, 32, 48000.0).has_value());
        FileOptions last;
        last.channel = 31;
        QVERIFY(std::abs(readTrack(path("many.wav"), last)->volts[5] - 10.0f * 31.0f / 32.0f) < 1e-4f);
        last.channel = kAllChannels;
        const auto mean = readTrack(path("many.wav"), last);
        QCOMPARE(mean->channels, 32);
        QVERIFY(std::abs(mean->volts[5] - 10.0f * 15.5f / 32.0f) < 1e-4f);
        last.channel = 32;
        QVERIFY(why("many.wav", last).find("32 channels") != std::string::npos);
        for (const double rate : {1000.0, 384000.0}) {
            const auto tone = made(
                2.0, [](double t) { return 0.4 * std::sin(kTurn * 97.0 * t); }, rate);
            QVERIFY(writeWav(path("rate.wav"), tone, 1, rate).has_value());
            const auto read = readTrack(path("rate.wav"), {});
            QVERIFY(read.has_value());
            const Answer answer = asked(Question::Note, {*read});
            QVERIFY2(std::abs(figure(answer, "pitch-hertz") - 97.0) < 0.05, answer.verdict.str().c_str());
            for (const Question question : {Question::Shape, Question::Same, Question::Content})
                QVERIFY(!asked(question, {*read}).verdict.empty());
        }
        // Long ones are read only where they are asked of, and can be stopped.
        {
            auto writer = SoundWriter::replacing(path("long.flac"), {.rate = 8000.0, .channels = 1, .bits = 16});
            const std::vector<float> second(8000, 0.25f);
            for (int s = 0; s < 600; ++s) QVERIFY(writer->write(second).has_value());
            QVERIFY(writer->commit().has_value());
        }
        FileOptions part;
        part.from = 590.0;
        part.seconds = 5.0;
        QVERIFY(std::abs(readTrack(path("long.flac"), part)->seconds() - 5.0) < 0.01);
        part.from = 700.0;
        QVERIFY(why("long.flac", part).find("behind its end") != std::string::npos);
        FileOptions stopped;
        stopped.progress = [](double) { return false; };
        QVERIFY(why("long.flac", stopped).find("stopped") != std::string::npos);
    }

    /// Of what sounds half of the time, the loudest stretch has all of it and the mean of all half its power.
    void spectraAreAveragedAndDrawnEvenly() {
        const auto half = made(12.0, [](double t) { return t < 6.0 ? std::sin(kTurn * 1000.0 * t) : 0.0; });
        const auto top = [&](const AskOptions& options) {
            const Answer answer = asked(Question::Content, {trace("half", half)}, options);
            std::pair<float, float> best{0.0f, -200.0f};
            for (const auto& point : answer.plots.front().curves.front().points)
                if (point.second > best.second) best = point;
            return best;
        };
        AskOptions averaged;
        averaged.averaged = true;
        const auto loudest = top({});
        QVERIFY2(std::abs(loudest.second) < 0.1, qPrintable(QString::number(static_cast<double>(loudest.second))));
        QVERIFY(std::abs(loudest.second - top(averaged).second - 3.01f) < 0.3f);
        // Hertz at even distances: as many points in each kilohertz, and the tone is where it was.
        AskOptions linear;
        linear.linear = true;
        QVERIFY(std::abs(top(linear).first - 1000.0f) < 25.0f);
        const Answer answer = asked(Question::Content, {trace("half", half)}, linear);
        QVERIFY(!answer.plots.front().x.log);
        const auto& points = answer.plots.front().curves.front().points;
        QVERIFY(std::abs((points[200].first - points[199].first) - (points[20].first - points[19].first)) < 0.01f);
        // Noise is smoother for it: bins of one frame differ by more than the mean of many.
        const auto hiss = noisy(made(12.0, [](double) { return 0.0; }), 1.0);
        const auto spread = [&](const AskOptions& options) {
            const Answer of = asked(Question::Content, {trace("hiss", hiss)}, options);
            double low = 100.0;
            double high = -200.0;
            for (const auto& [hertz, level] : of.plots.front().curves.front().points)
                if (hertz > 5000.0f && hertz < 6000.0f) {
                    low = std::min(low, static_cast<double>(level));
                    high = std::max(high, static_cast<double>(level));
                }
            return high - low;
        };
        AskOptions both = averaged;
        both.linear = true;
        QVERIFY2(spread(both) < 0.5 * spread(linear), qPrintable(QString::number(spread(both))));
    }

    /// A picture may begin with a step, whichever way the sequencer goes there.
    void aStepIsATrigger() {
        PatchMaker maker;
        const Patch patch = maker.voice().make(); // four notes of a sixteenth each
        const double pulse = 60.0 / tempoOf(patch, workspace().library) / 4.0;
        Asking asking;
        asking.question = Question::Shape;
        asking.jacks = {{"tracks", "pitch-1"}};
        asking.seconds = 2.0;
        asking.alone = true;
        asking.options.window = 0.5 * pulse;
        const int notes[] = {50, 57, 62, 53};
        for (int step = 0; step < 4; ++step) {
            asking.step = StepAt{{"tracks", false, 0}, step};
            const auto answer = answerTo(asking, &patch, workspace().library);
            QVERIFY2(answer.has_value(), answer ? "" : answer.error().text().c_str());
            QCOMPARE(answer->tracks.size(), std::size_t{2});
            QVERIFY2(answer->tracks.back().ends_with(std::to_string(step + 1)), answer->tracks.back().c_str());
            const auto& columns = answer->plots.front().curves.front().columns;
            const double volts = (notes[step] - 60) / 12.0;
            QVERIFY2(std::abs(static_cast<double>(columns[columns.size() / 2].max) - volts) < 0.01,
                     qPrintable(QStringLiteral("step %1: %2").arg(step).arg(static_cast<double>(columns[100].max))));
        }
        asking.step = StepAt{{"tracks", false, 40}, 0};
        QVERIFY(!answerTo(asking, &patch, workspace().library));
        asking.step = StepAt{{"osc", false, 0}, 0};
        QVERIFY(!answerTo(asking, &patch, workspace().library));
    }

    /// What a patch asks for its sheet: written and read back, in whatever way it is asked, answered or told why not.
    void sheetsAsk() {
        Patch patch = lamp();
        Asking asking;
        asking.question = Question::Content;
        asking.jacks = {{"filter", "low"}, {}};
        asking.seconds = 2.5;
        asking.realCase = asking.options.linear = asking.options.averaged = true;
        asking.options.vowel = "ah";
        asking.options.window = 0.25;
        const auto kept = forSheet(asking);
        QVERIFY(kept);
        patch = applyEdit(patch, AskOnSheet{*kept}).value();
        const Patch read = readPatch(writePatch(patch)).value();
        QVERIFY(read == patch);
        const auto back = askedAs(read.asked.front(), read);
        QVERIFY(back && back->question == asking.question && back->jacks == asking.jacks);
        QVERIFY(back->seconds == 2.5 && back->realCase && back->options.linear && back->options.averaged);
        QVERIFY(!back->options.lanes && back->options.vowel == "ah" && back->options.window == 0.25);
        // The same one asked otherwise takes its place; a post that goes takes its questions along.
        patch = applyEdit(patch, AskOnSheet{{kept->question, kept->of, "lanes"}}).value();
        QCOMPARE(patch.asked.size(), std::size_t{1});
        patch = applyEdit(patch, AskOnSheet{{"same", {{"vca-2", "out"}}}}).value();
        QVERIFY(applyEdit(patch, RemovePost{"vca-2"})->asked.size() == 1);
        QVERIFY(applyEdit(patch, AskOnSheet{{"same", {{"vca-2", "out"}}}, false})->asked.size() == 1);
        // What no version knows, or has no jack, is said and keeps its place.
        patch = applyEdit(patch, AskOnSheet{{"dance", {{"vca-2", "out"}}}}).value();
        patch = applyEdit(patch, AskOnSheet{{"note", {{"nobody", "out"}}, "seconds=-3 seconds=1e9 window=x"}}).value();
        const auto answers = sheetAnswers(patch, workspace().library);
        QCOMPARE(answers->size(), std::size_t{4});
        QVERIFY((*answers)[1].question == "Same each time? VCA 2 out" && (*answers)[1].answer);
        QVERIFY((*answers)[1].sentence.find("hits") != std::string::npos);
        QVERIFY(!(*answers)[2].answer && !(*answers)[2].sentence.empty());
        QVERIFY(!(*answers)[3].answer && (*answers)[3].sentence.find("nobody.out") != std::string::npos);
        QVERIFY(!sheetAnswers(patch, workspace().library, inEnglish, [](double) { return false; }));
        Sheet sheet;
        sheet.answers = *answers;
        HtmlParts parts;
        parts.answers = {"", "<svg id=\"two\"/>"};
        const std::string html = writeHtml(sheet, settingsFor(SheetLayout::Archive), parts);
        QVERIFY(html.find("Asked on the Bench") != std::string::npos &&
                html.find("<svg id=\"two\"/>") != std::string::npos);
        for (std::size_t n = patch.asked.size(); n < kMostSheetQuestions; ++n)
            patch = applyEdit(patch, AskOnSheet{{"shape", {{"osc-a", std::to_string(n)}}}}).value();
        QVERIFY(!applyEdit(patch, AskOnSheet{{"shape", {{"osc-b", "saw"}}}}));
        // What would be lost on the way is refused, not dropped.
        Asking shape;
        shape.jacks = {{"osc-a", "saw"}};
        QVERIFY(forSheet(shape));
        shape.step = StepAt{{"tracks", false, 0}, 2};
        QVERIFY(!forSheet(shape));
        asking.recordings = {std::make_shared<const Trace>()};
        QVERIFY(!forSheet(asking));
    }

    void jacksOfARunAreAsked() {
        const Library& library = workspace().library;
        const Patch patch = lamp();
        ListenOptions how;
        how.seconds = 2.0;
        // Outputs, inputs, what nothing is plugged into, and the way out.
        const auto heard = listen(patch, library, {{"osc-a", "saw"}, {"filter", "in-1"}, {"osc-a", "pwm"}, {}}, how);
        QVERIFY(heard.has_value());
        QCOMPARE(heard->size(), std::size_t{4});
        QVERIFY((*heard)[0].volts == (*heard)[1].volts);
        QVERIFY(measureLevel((*heard)[2].volts).swing().value == 0.0);
        QVERIFY(measureLevel((*heard)[3].volts).swing().value > 1.0);
        QVERIFY(!listen(patch, library, {{"nobody", "saw"}}, how).has_value());
        // The leader of the synced one is found, and the gate behind a drum.
        QCOMPARE(jacksBeside(Question::Note, patch, library, {{"osc-a", "saw"}}),
                 (std::vector<JackRef>{{"osc-b", "pulse"}}));
        QCOMPARE(jacksBeside(Question::Same, patch, library, {{"vca-2", "out"}}),
                 (std::vector<JackRef>{{"tracks", "drum-1"}}));
    }

    void theLadderLeadsToTheWayOut() {
        const Library& library = workspace().library;
        LoudOptions how;
        how.source = {"osc-a", "saw"};
        how.seconds = 4.0;
        const auto answer = askLoud(lamp(), library, how);
        QVERIFY2(answer.has_value(), answer ? "" : answer.error().text().c_str());
        QVERIFY(answer->tracks.size() >= 4);
        QVERIFY(std::abs(figure(*answer, "peak-volts-1") - 5.3) < 0.5); // a saw of ±5 V, restarted now and then
        QVERIFY(std::abs(figure(*answer, "gain-decibels-4") -
                         20.0 * std::log10(figure(*answer, "rms-volts-4") / figure(*answer, "rms-volts-3"))) < 0.01);
        QVERIFY(figure(*answer, "out-dbfs") < 0.0);
        const double volts = figure(*answer, "out-volts");
        QVERIFY(std::abs(figure(*answer, "out-dbfs") - 20.0 * std::log10(volts / 10.0)) < 0.01);
        // The VCA under its contour moves, the mixer behind it does not.
        for (std::size_t r = 1; r < answer->tracks.size(); ++r) {
            const bool moves = answer->tracks[r].find("VCA 1") != std::string::npos;
            const double far = figure(*answer, fmt::format("moves-decibels-{}", r + 1).c_str());
            if (moves) QVERIFY2(far > 10.0, answer->tracks[r].c_str());
            if (answer->tracks[r].find("Mixer") != std::string::npos) QVERIFY(std::isnan(far));
        }
        how.source = {"tracks", "pitch-1"};
        QVERIFY(!askLoud(lamp(), library, how).has_value()); // leads to no way out
        how.source = {"filter", "in-1"};
        QVERIFY(!askLoud(lamp(), library, how).has_value()); // is an input

        // Too hot: it says so, with the knob that mends it, and the knob does.
        PatchMaker maker("tower-case");
        maker.post("osc", "keel-a", "a")
            .post("other", "anchor-a", "osc")
            .post("mixer", "gangway-a", "mixer")
            .post("out", "harbour", "out");
        maker.tie("osc.saw", "mixer.in-1")
            .tie("other.saw", "mixer.in-2")
            .knob("other", "fine", 1)
            .tie("mixer.mix", "out.left");
        maker.knob("mixer", "level-1", 100).knob("mixer", "level-2", 100);
        Patch hot;
        try {
            hot = maker.make();
        } catch (const std::exception& error) {
            QFAIL(error.what());
        }
        how.source = {"osc", "saw"};
        const auto clips = askLoud(hot, library, how);
        QVERIFY2(clips.has_value(), clips ? "" : clips.error().text().c_str());
        QVERIFY2(clips->verdict.str().find("beyond") != std::string::npos || figure(*clips, "peak-volts-2") > 9.5,
                 clips->verdict.str().c_str());
        QVERIFY(!clips->offers.empty());
        // Two that are equally loud add 3 dB each; half as much adds a quarter of the power.
        QVERIFY(std::abs(figure(*clips, "part-1-adds-decibels-2") - 3.01) < 0.2);
        const auto half = askLoud(*applyEdit(hot, SetKnob{"mixer", "level-2", 50}), library, how);
        QVERIFY2(std::abs(figure(*half, "part-2-adds-decibels-2") - 0.97) < 0.2,
                 qPrintable(QString::number(figure(*half, "part-2-adds-decibels-2"))));
        const Patch mended = *applyEdits(hot, clips->offers.front().edits);
        const auto after = askLoud(mended, library, how);
        QVERIFY(figure(*after, "peak-volts-2") < figure(*clips, "peak-volts-2") - 0.3);
    }

    void trackingIsTested() {
        const Library& library = workspace().library;
        const auto answer = askTracking(lamp(), library, {.input = {"osc-b", "voct"}, .output = {"osc-b", "pulse"}});
        QVERIFY2(answer.has_value(), answer ? "" : answer.error().text().c_str());
        QVERIFY2(std::abs(figure(*answer, "worst-cents")) < 0.5, answer->verdict.str().c_str());
        // A module whose octave is 12 cents too wide shows it.
        Library wide = library;
        std::vector<PlayedNote> played;
        for (const int note : kNotesToRecord)
            played.push_back({static_cast<double>(note),
                              noteToHertz(note).value * std::exp2((12.0 * (note - 60) / 12.0 + 5.0) / 1200.0)});
        const auto tracked = trackingOf(played);
        QVERIFY(tracked.has_value());
        QVERIFY(std::abs(tracked->centsPerOctave - 12.0) < 0.01 && std::abs(tracked->middle - 5.0) < 0.01);
        for (const double rest : tracked->off) QVERIFY(std::abs(rest) < 0.01);
        auto tuned = withTracking(*library.module("keel-vco-pair"), "b", "voct", tracked->centsPerOctave);
        QVERIFY2(tuned.has_value(), tuned ? "" : tuned.error().text().c_str());
        QVERIFY(readModule(writeModule(tuned->description)).has_value()); // it is kept in a file
        wide.add(std::move(*tuned));
        QVERIFY(!withTracking(*library.module("keel-vco-pair"), "b", "saw", 3.0).has_value());
        QVERIFY(!withTracking(*library.module("keel-vco-pair"), "c", "voct", 3.0).has_value());
        QVERIFY(!trackingOf(std::vector<PlayedNote>{{60, 261.6}, {64, 329.6}}).has_value());
        QVERIFY(!trackingOf(std::vector<PlayedNote>{{60, 261.6}, {84, 0.0}}).has_value());
        const auto off = askTracking(lamp(), wide, {.input = {"osc-b", "voct"}, .output = {"osc-b", "pulse"}});
        QVERIFY2(std::abs(figure(*off, "slope-cents") - 12.0) < 0.2, off->verdict.str().c_str());
        QVERIFY(off->verdict.str().find("does not track") != std::string::npos);
        QVERIFY(!askTracking(lamp(), library, {.input = {"osc-b", "pulse"}, .output = {"osc-b", "pulse"}}).has_value());
    }

    void shippedPatchesAreAsked() {
        const Library& library = workspace().library;
        const auto of = [&](const char* file, Question question, std::vector<JackRef> jacks, double seconds = 6.0) {
            const Patch patch = demo(file);
            for (const JackRef& beside : jacksBeside(question, patch, library, jacks)) jacks.push_back(beside);
            ListenOptions how;
            how.seconds = seconds;
            Asked all;
            all.question = question;
            all.tracks = listen(patch, library, jacks, how).value();
            all.options.key = parseKey(patch.key);
            return ask(all).value();
        };
        // The kick of the lamp: a drum in D, the same each time.
        const Answer kick = of("lamp.json", Question::Same, {{"vca-2", "out"}}, 12.0);
        QVERIFY2(figure(kick, "hits") >= 8.0, kick.verdict.str().c_str());
        QVERIFY2(figure(kick, "worst-percent") < 1.0, kick.verdict.str().c_str());
        const Answer tail = of("lamp.json", Question::Note, {{"vca-2", "out"}}, 6.0);
        QVERIFY2(std::abs(figure(tail, "pitch-hertz") / figure(kick, "tail-hertz") - 1.0) < 0.003,
                 tail.verdict.str().c_str());
        // The divider's second and third parts stand 3:2.
        const Answer ratio = of("fog-signal.json", Question::Relate, {{"divider", "out-1"}, {"divider", "out-2"}}, 3.0);
        QVERIFY2(ratio.figure("ratio-2") != nullptr, ratio.verdict.str().c_str());
        QVERIFY(std::abs(figure(ratio, "cents-2") - 1200.0 * std::log2(figure(ratio, "ratio-2"))) < 0.5);
        // Winds stand a quarter of a turn apart.
        const Answer winds =
            of("fog-signal.json", Question::Shape, {{"winds", "phase-0"}, {"winds", "phase-90"}}, 90.0);
        QVERIFY2(std::abs(std::abs(figure(winds, "phase-degrees-2")) - 90.0) < 1.0, winds.verdict.str().c_str());
        // A contour's stages are those of its knobs.
        const Answer shape = of("lamp.json", Question::Shape, {{"contour-1", "out"}}, 4.0);
        QVERIFY2(!shape.plots.empty() && shape.figure("attack-seconds-1"), shape.verdict.str().c_str());
    }

    void answersAreWritten() {
        const Answer answer =
            asked(Question::Note,
                  {trace("a \"quoted\", name", made(1.0, [](double t) { return std::sin(kTurn * 440.0 * t); }))});
        const std::string csv = answerCsv(answer);
        QVERIFY(csv.starts_with("figure,value,unit,text,of\n"));
        QVERIFY(csv.find("pitch-hertz,440") != std::string::npos || csv.find("pitch-hertz,439.9") != std::string::npos);
        const std::string json = answerJson(answer, true);
        QVERIFY(json.find("\"question\": \"note\"") != std::string::npos);
        for (int q = 0; q < kQuestionCount; ++q) {
            const auto question = static_cast<Question>(q);
            QCOMPARE(*questionNamed(questionId(question)), question);
            QVERIFY(!questionText(question).empty());
        }
        QVERIFY(!questionNamed("what"));
    }
};

QTEST_GUILESS_MAIN(AskTest)
#include "ask_test.moc"
