// The eighteen builds of Night Watch: each is rendered, and what makes it that sound is measured.
#include "engine/render.h"
#include "library/check.h"
#include "measure/formants.h"
#include "measure/measure.h"
#include "model/edit.h"
#include "support/analysis.h"
#include "support/builds.h"
#include "support/patches.h"
#include "units/pitch.h"

#include <QtTest>

#include <algorithm>
#include <cmath>
#include <numeric>

using namespace lariat;
using namespace lariat::test;

namespace {

constexpr double kD1 = 36.70809599;

/// Centre of gravity of the spectrum, in hertz.
double brightness(const std::vector<float>& volts) {
    const Spectrum spectrum = measureSpectrum(volts, kRate);
    double sum = 0.0;
    double weighted = 0.0;
    for (std::size_t bin = 1; bin < spectrum.amplitude.size(); ++bin) {
        const double power = std::pow(static_cast<double>(spectrum.amplitude[bin]), 2);
        sum += power;
        weighted += power * static_cast<double>(bin) * spectrum.binHertz;
    }
    return weighted / sum;
}

/// The lag near `period` samples at which a recording is most like itself, with the parabola through its neighbours.
double likestLag(const std::vector<float>& x, double period) {
    const auto likeness = [&](long lag) {
        double same = 0.0;
        double energy = 0.0;
        for (std::size_t i = 0; i + static_cast<std::size_t>(lag) < x.size(); ++i) {
            const auto a = static_cast<double>(x[i]);
            const auto b = static_cast<double>(x[i + static_cast<std::size_t>(lag)]);
            same += 2.0 * a * b;
            energy += a * a + b * b;
        }
        return same / energy;
    };
    long best = std::lround(period);
    for (long lag = std::lround(0.97 * period); lag <= std::lround(1.03 * period); ++lag)
        if (likeness(lag) > likeness(best)) best = lag;
    const double l = likeness(best - 1);
    const double m = likeness(best);
    const double r = likeness(best + 1);
    return static_cast<double>(best) + 0.5 * (l - r) / (l - 2.0 * m + r);
}

/// Times at which the level (peak over 4 ms) rises through `level` volts.
std::vector<double> onsets(const std::vector<float>& volts, double level) {
    std::vector<float> peaks;
    constexpr std::size_t span = 384;
    for (std::size_t i = 0; i + span <= volts.size(); i += span)
        peaks.push_back(static_cast<float>(peakOf(std::span(volts).subspan(i, span))));
    return risingEdges(peaks, kRate / span, level);
}

/// What a pitch voltage was, note by note, in semitones from C4.
std::vector<double> stepsOf(const std::vector<float>& volts) {
    std::vector<double> notes;
    for (const float v : volts)
        if (notes.empty() || std::abs(notes.back() - 12.0 * static_cast<double>(v)) > 0.01)
            notes.push_back(12.0 * static_cast<double>(v));
    return notes;
}

} // namespace

class BuildsTest : public QObject {
    Q_OBJECT

  private Q_SLOTS:
    void initTestCase() {
        for (const Error& error : workspace().errors) qWarning("%s", error.text().c_str());
        QVERIFY(workspace().errors.empty());
    }

    void allAreHeardInsideTheRailsAndTheSameEveryTime_data() {
        QTest::addColumn<QString>("name");
        for (const char* name : {"first-voice",   "sync-lead",   "kick",        "snare-and-hats", "double-strike",
                                 "low-pass-gate", "bell-buoy",   "vowel-voice", "fog-signal",     "oscillator-studies",
                                 "signal-mast",   "quantizer",   "tide-clock",  "deep-water",     "envelope-engine",
                                 "four-related",  "engine-room", "texture",     "masthead",       "capstan",
                                 "undertow",      "crows-nest"})
            QTest::newRow(name) << QString::fromLatin1(name);
    }
    void allAreHeardInsideTheRailsAndTheSameEveryTime() {
        QFETCH(QString, name);
        const Patch patch = build(name.toStdString());
        const Take once = take(patch, 3.0);
        const double level = measureLevel(once["left"]).rms.value;
        QVERIFY2(level > 0.05 && peakOf(once["left"]) < 11.5, qPrintable(QString::number(level)));
        const double dc = meanOf(part(once["left"], 1.0, 3.0));
        QVERIFY2(std::abs(dc) < 0.35, qPrintable(QStringLiteral("DC %1 V").arg(dc)));
        QVERIFY(take(patch, 3.0)["left"] == once["left"]);
    }

    void firstVoicePlaysItsNotesAndClosesBetweenThem() {
        const Take t = take(build("first-voice"), 5.0, {"vca.out", "osc.saw"});
        const double d3 = noteToHertz(50).value;
        QVERIFY(std::abs(cents(pitchOf(part(t["osc.saw"], 0.2, 0.5)), d3)) < 0.2);
        QVERIFY(std::abs(cents(pitchOf(part(t["osc.saw"], 0.8, 1.05)), noteToHertz(53).value)) < 0.2);
        const auto sounding = part(t["vca.out"], 0.01, 0.06);
        const auto eighth = [&](const std::vector<float>& volts) {
            return amplitudeOf(volts, 8.0 * d3, kRate, 0.045) / amplitudeOf(volts, d3, kRate, 0.045);
        };
        QVERIFY(eighth(sounding) > 3.0 * eighth(part(t["vca.out"], 0.3, 0.36))); // the contour closes the filter
        // Behind the last note's release there is silence.
        Patch once = build("first-voice");
        once.performances.front() = once.performances.front().with([](Performance& played) {
            played.lengthBeats = 0.0;
            played.messages.resize(2);
        });
        QVERIFY(peakOf(part(take(once, 2.0, {"vca.out"})["vca.out"], 1.5, 2.0)) < 1e-3);
    }

    void syncLeadKeepsTheLeadersPitchWhileItsBrightnessSweeps() {
        const Take t = take(build("sync-lead"), 4.3, {"leader.saw", "follower.saw"});
        const double step = 60.0 / 112.0 / 4.0;
        const auto& leader = t["leader.saw"];
        const auto& follower = t["follower.saw"];
        // While it sweeps, every turn of the follower starts over with the leader's: its period is the leader's.
        std::size_t turns = 0;
        for (std::size_t i = 4800; i + 8 < leader.size(); ++i) {
            if (!(leader[i - 1] > 0.0f && leader[i] <= 0.0f && leader[i] < leader[i - 1] - 2.0f)) continue;
            ++turns;
            const auto here = follower.begin() + static_cast<std::ptrdiff_t>(i);
            QVERIFY2(*std::min_element(here - 2, here + 6) < -4.0f, qPrintable(QString::number(i)));
        }
        QVERIFY2(turns > 350, qPrintable(QString::number(turns)));
        // Once the sweep is over, the pitch itself can be measured.
        std::vector<double> bright;
        for (int note = 0; note < 4; ++note) {
            const double start = note * 4.0 * step;
            const double period = kRate / pitchOf(part(leader, start + 0.41, start + 0.52));
            const double off =
                1200.0 * std::log2(likestLag(part(follower, start + 0.41, start + 0.52), period) / period);
            QVERIFY2(std::abs(off) < 1.0, qPrintable(QStringLiteral("note %1: %2 cents").arg(note).arg(off)));
            if (note == 1)
                for (const double from : {0.02, 0.12, 0.30})
                    bright.push_back(brightness(part(follower, start + from, start + from + 0.1)));
        }
        QVERIFY2(bright[0] > 1.3 * bright[2], qPrintable(QStringLiteral("%1 to %2 Hz").arg(bright[0]).arg(bright[2])));
    }

    void kicksEndOnTheirKeyAndHitAlike_data() {
        QTest::addColumn<QString>("jack");
        QTest::addColumn<QString>("pitch");
        QTest::addColumn<double>("hit");
        QTest::addColumn<double>("key");
        QTest::newRow("two contours") << "vca-a.out"
                                      << "osc-a.sine" << 0.0 << kD1;
        QTest::newRow("struck filter") << "filter-b.band"
                                       << "filter-b.band" << 1.0 << 2.0 * kD1;
        QTest::newRow("bent by a second one") << "vca-c.out"
                                              << "carrier-c.sine" << 2.0 << 2.0 * kD1;
    }
    void kicksEndOnTheirKeyAndHitAlike() {
        QFETCH(QString, jack);
        QFETCH(QString, pitch);
        QFETCH(double, hit);
        QFETCH(double, key);
        const Take t = take(build("kick"), 9.2, {jack.toStdString(), pitch.toStdString()});
        const auto& volts = t[jack.toStdString()];
        const double first = hit * 1.0;
        const auto tail = part(t[pitch.toStdString()], first + 0.2, first + (pitch == jack ? 0.42 : 0.6));
        const double hertz = pitchOf(tail);
        QVERIFY2(std::abs(cents(hertz, key)) < 5.0,
                 qPrintable(QStringLiteral("%1 Hz, %2 cents").arg(hertz).arg(cents(hertz, key))));
        // Bars are three seconds apart, a whole number of samples.
        const auto one = part(volts, first + 3.0, first + 3.5);
        const auto two = part(volts, first + 6.0, first + 6.5);
        double different = 0.0;
        for (std::size_t i = 0; i < one.size(); ++i)
            different = std::max(different, static_cast<double>(std::abs(one[i] - two[i])));
        const double percent = 100.0 * different / peakOf(one);
        QVERIFY2(percent < 0.1, qPrintable(QStringLiteral("hits differ by %1 %").arg(percent)));
        QVERIFY(peakOf(one) > 1.0);
    }

    void snareFluttersHatsAreBrightTheRattleSounds() {
        const Patch patch = build("snare-and-hats");
        const Take t = take(patch, 3.0, {"switch.one", "hat-vca.out", "player.left", "multiplier.out"});
        const double step = 60.0 / 112.0 / 4.0 / 16.0; // one colour
        std::vector<double> colours;
        for (int n = 0; n < 4; ++n) {
            const double start = 1.0714 + n * step + 0.0005;
            colours.push_back(brightness(part(t["switch.one"], start, start + step - 0.001)));
        }
        const auto [low, high] = std::ranges::minmax_element(colours);
        QVERIFY2(*high > 1.4 * *low, "the colours of the flutter differ");
        QVERIFY(brightness(part(t["hat-vca.out"], 0.0, 1.0)) > 5000.0);
        QVERIFY(peakOf(t["player.left"]) > 1.0);
        // Held, the multiplier stands still, and so does the colour.
        const Take held = take(with(patch, "hold", "offset", 5.0), 3.0, {"multiplier.out", "switch.one"});
        QVERIFY(risingEdges(held["multiplier.out"], kRate).size() <= 1);
    }

    void doubleStrikeHasTwoOnsetsPerTrigger() {
        const Take t = take(build("double-strike"), 4.8, {"vca.out", "contour.out", "tracks.drum-1"});
        const auto triggers = risingEdges(t["tracks.drum-1"], kRate, 4.0);
        const auto strikes = risingEdges(t["contour.out"], kRate, 4.0);
        // The first trigger comes with the first sample, which is no edge of the recording.
        QCOMPARE(triggers.size(), std::size_t{1});
        QCOMPARE(strikes.size(), 2 * (triggers.size() + 1));
        QVERIFY(std::abs(strikes[1] - strikes[0] - 0.112) < 0.01);
        QCOMPARE(onsets(t["vca.out"], 1.5).size(), strikes.size());
    }

    void exponentialIntoExponentialFallsFasterThanEitherAlone() {
        const Patch patch = with(build("low-pass-gate"), "vca", "lin-amount", 0.0);
        const auto fall = [](const Patch& p) { // time to fall by 20 dB from its height
            const Take t = take(p, 1.2, {"vca.out"});
            const auto& volts = t["vca.out"];
            const double top = peakOf(part(volts, 0.0, 0.05));
            for (double s = 0.05; s < 1.0; s += 0.005)
                if (peakOf(part(volts, s, s + 0.02)) < 0.1 * top) return s;
            return 1.0;
        };
        const double both = fall(patch);
        const double onlyContour = fall(with(with(patch, "vca", "exp-amount", 0.0), "vca", "lin-amount", 100.0));
        const double onlyVca = fall(with(patch, "contour", "curve", 0.0));
        QVERIFY2(both < 0.8 * onlyContour && both < 0.8 * onlyVca,
                 qPrintable(QStringLiteral("%1, %2, %3 s").arg(both).arg(onlyContour).arg(onlyVca)));
        // The low-pass gate rings on after its 5 ms trigger.
        const Take t = take(patch, 1.0, {"gate.out"});
        QVERIFY(peakOf(part(t["gate.out"], 0.03, 0.05)) > 0.15);
        QVERIFY(brightness(part(t["gate.out"], 0.0, 0.03)) > brightness(part(t["gate.out"], 0.1, 0.14)));
    }

    void struckBankPlaysInTuneOverTwoOctaves() {
        const Patch still = without(build("bell-buoy"), "adder.b");
        const Take t = take(still, 7.6, {"tracks.drum-1", "slew.out"});
        std::vector<std::vector<float>> bands; // each alone
        for (int band = 1; band <= 3; ++band) {
            Patch one = still;
            for (int b = 1; b <= 8; ++b) one = with(one, "bank", "level-" + std::to_string(b), b == band ? 100.0 : 0.0);
            bands.push_back(take(one, 7.6, {"bank.mix"})["bank.mix"]);
        }
        const double step = 60.0 / 80.0 / 4.0;
        const int notes[] = {50, 57, 62, 65, 74}; // D3 to D5
        for (int n = 0; n < 5; ++n) {
            const double start = n * 8 * step;
            const double wanted = noteToHertz(notes[n]).value;
            // All bands have moved to the new note; those of the notes before have died away or moved along.
            for (int band = 1; band <= 3; ++band) {
                const auto& alone = bands[static_cast<std::size_t>(band - 1)];
                const double off = cents(pitchOf(part(alone, start + 0.5, start + 8 * step - 0.02)), wanted);
                QVERIFY2(std::abs(off - 660.0 * (band - 1)) < 5.0, // not quite a fifth from each to the next
                         qPrintable(QStringLiteral("note %1, band %2: %3 cents").arg(n).arg(band).arg(off)));
            }
        }
        // One strike: the soft edge has no corner steeper than a hundredth of the hard one.
        const auto& edge = t["slew.out"];
        float steepest = 0.0f;
        for (std::size_t i = 500; i < 12000; ++i) steepest = std::max(steepest, edge[i - 1] - edge[i]);
        QVERIFY(steepest < 0.08f);
    }

    void thirdOfASquareIsATwelfthDownAndInversionTakesTheDcAway() {
        const Patch patch = build("fog-signal");
        const Take t = take(patch, 3.0, {"osc.pulse", "divider.out-2", "divider.out-1", "bank.out-4"});
        const double source = pitchOf(part(t["osc.pulse"], 0.5, 1.5));
        const double third = pitchOf(part(t["divider.out-2"], 0.5, 2.5));
        QVERIFY2(std::abs(cents(third, source) + 1901.955) < 0.5,
                 qPrintable(QStringLiteral("%1 of %2 Hz").arg(third).arg(source)));
        QVERIFY(std::abs(cents(pitchOf(part(t["divider.out-1"], 0.5, 2.5)), source) + 1200.0) < 0.5);
        const double floor = aliasFloor(atFileRate(t["divider.out-2"]), source / 3.0, 48000.0);
        qInfo("third part: alias floor %.1f dB", floor);
        QVERIFY2(floor < -85.0, qPrintable(QString::number(floor)));
        // All four parts fully open: as they are turned, and with none turned.
        Patch full = patch;
        for (const char* n : {"1", "2", "3", "4"})
            full = without(with(full, "bank", std::string("level-") + n, 100.0), std::string("bank.cv-") + n);
        Patch straight = full;
        for (const char* n : {"2", "4"}) straight = with(straight, std::string("scale-") + n, "amount", 10.0);
        for (const char* n : {"1", "3"}) straight = with(straight, std::string("scale-") + n, "amount", 10.0);
        for (const char* n : {"1", "3"}) full = with(full, std::string("scale-") + n, "amount", 10.0);
        for (const char* n : {"2", "4"}) full = with(full, std::string("scale-") + n, "amount", -10.0);
        const double turned = meanOf(part(take(full, 2.0, {"bank.out-4"})["bank.out-4"], 0.5, 2.0));
        const double piled = meanOf(part(take(straight, 2.0, {"bank.out-4"})["bank.out-4"], 0.5, 2.0));
        QVERIFY2(std::abs(turned) < 0.15 && std::abs(piled - 2.0) < 0.15,
                 qPrintable(QStringLiteral("%1 and %2 V").arg(turned).arg(piled)));
    }

    void linearFmSidebandsFollowBessel() {
        // The modulator an exact fraction of the carrier, so that sidebands are told apart: 130.8 Hz into 523.3 Hz.
        const Take t = take(build("oscillator-studies"), 4.0, {"carrier.sine", "modulator.sine"});
        const double modulator = noteToHertz(48).value;
        const double carrier = noteToHertz(72).value;
        const double index = 0.5 * carrier / modulator; // half the carrier's frequency as peak deviation
        const auto sum = [&](int n) {                   // sidebands below zero come back and add to their mirror image
            double total = 0.0;
            for (int k = -24; k <= 24; ++k)
                if (std::abs(std::abs(carrier + k * modulator) - std::abs(carrier + n * modulator)) < 1.0) {
                    const double bessel =
                        k >= 0 ? std::cyl_bessel_j(k, index) : (k % 2 ? -1.0 : 1.0) * std::cyl_bessel_j(-k, index);
                    total += carrier + k * modulator >= 0.0 ? bessel : -bessel;
                }
            return 5.0 * std::abs(total);
        };
        for (const int n : {0, 1, 2, 3, 4})
            QVERIFY2(std::abs(amplitudeOf(t["carrier.sine"], carrier + n * modulator, kRate, 3.0) - sum(n)) < 0.1,
                     qPrintable(QStringLiteral("sideband %1: %2 for %3")
                                    .arg(n)
                                    .arg(amplitudeOf(t["carrier.sine"], carrier + n * modulator, kRate, 3.0))
                                    .arg(sum(n))));
    }

    /// The mean of 2^(a sin) is I0(a ln 2): the mean frequency rises by that.
    void exponentialFmShiftsTheMeanPitchAsPredicted() {
        const auto counted = [](double amount) {
            const Take t =
                take(with(build("oscillator-studies"), "bent", "fm-amount", amount), 8.0, {"bent.sine", "bent.pulse"});
            const auto& volts = t["bent.sine"];
            std::vector<double> turns;
            for (std::size_t i = 1; i < volts.size(); ++i)
                if (volts[i - 1] < 0.0f && volts[i] >= 0.0f)
                    turns.push_back(static_cast<double>(i) - static_cast<double>(volts[i] / (volts[i] - volts[i - 1])));
            return kRate * static_cast<double>(turns.size() - 1) / (turns.back() - turns.front());
        };
        const double still = counted(0.0);
        for (const double amount : {10.0, 20.0}) {
            const double octaves = 0.05 * amount; // of 5 V
            const double predicted = 1200.0 * std::log2(std::cyl_bessel_i(0.0, octaves * std::log(2.0)));
            const double measured = cents(counted(amount), still);
            QVERIFY2(std::abs(measured - predicted) < 2.0,
                     qPrintable(QStringLiteral("%1 cents for %2").arg(measured).arg(predicted)));
        }
    }

    void widthNeverFallsSilent() {
        const Take t = take(build("oscillator-studies"), 4.0, {"wide.pulse"});
        for (double s = 0.2; s < 3.8; s += 0.05) QVERIFY(highLowRatio(part(t["wide.pulse"], s, s + 0.05)) > 0.05);
    }

    void chordsGoOverFourVoicesAndOverflow() {
        const Take t = take(build("signal-mast"), 2.9,
                            {"midi-a.pitch-1", "midi-a.pitch-2", "midi-a.pitch-3", "midi-a.pitch-4", "midi-b.pitch-1",
                             "midi-b.gate-1", "keys.pitch-1", "keys.pitch-2"});
        const auto at = [&](const char* jack, double beat) {
            return std::round(12.0 *
                              static_cast<double>(t[jack][static_cast<std::size_t>(beat * 60.0 / 90.0 * kRate)]));
        };
        // Second chord: five notes; the fifth finds no voice in the first converter.
        QCOMPARE(at("midi-a.pitch-1", 2.5), -10.0);
        QCOMPARE(at("midi-a.pitch-4", 2.5), 2.0);
        QCOMPARE(at("midi-b.pitch-1", 2.5), 5.0);
        QVERIFY(t["midi-b.gate-1"][static_cast<std::size_t>(0.5 * kRate)] < 1.0f); // the first chord had four
        // Two notes: lowest and highest; alone, the fifth between them stays.
        QCOMPARE(at("keys.pitch-1", 1.0), -10.0);
        QCOMPARE(at("keys.pitch-2", 1.4), -3.0);
        QCOMPARE(at("keys.pitch-2", 1.9), -3.0);
        QCOMPARE(at("keys.pitch-1", 3.0), -7.0);
    }

    void quantizerKeepsToItsScaleAndTriggersOnNewNotesOnly() {
        const Patch patch = build("quantizer");
        const Take t = take(patch, 12.0, {"quantizer.out-1", "quantizer.trigger-1", "quantizer.out-2"});
        const auto notes = stepsOf(t["quantizer.out-1"]);
        QVERIFY(notes.size() > 8);
        for (const auto& jack : {"quantizer.out-1", "quantizer.out-2"})
            for (const double note : stepsOf(t[jack])) {
                QVERIFY(std::abs(note - std::round(note)) < 1e-3);
                const long degree = ((std::lround(note) - 2) % 12 + 12) % 12;
                QVERIFY2((0x5ADu >> degree & 1u) != 0, qPrintable(QString::number(note))); // D minor
            }
        const auto triggers = risingEdges(t["quantizer.trigger-1"], kRate, 4.0);
        QVERIFY(std::abs(static_cast<double>(triggers.size()) - static_cast<double>(notes.size())) <= 1.0);
        const Take played = take(with(patch, "quantizer", "play", 1), 3.0, {"quantizer.out-1", "quantizer.gate"});
        QVERIFY(std::abs(stepsOf(played["quantizer.out-1"])[1] - 2.0) < 1.0 ||
                std::abs(stepsOf(played["quantizer.out-1"])[0] - 2.0) < 1e-3); // C of the slot, up by the root
        QVERIFY(risingEdges(played["quantizer.gate"], kRate, 4.0).size() >= 6);
    }

    void melodyDrivesDrumsByItsSemitones() {
        const Take t = take(build("tide-clock"), 5.0,
                            {"tracks.pitch-1", "detector.step", "detector.rising", "higher.above", "tracks.pitch-2"});
        const auto& pitch = t["tracks.pitch-1"];
        std::size_t changes = 0;
        std::size_t rises = 0;
        for (std::size_t i = 2000; i + 2000 < pitch.size(); ++i) {
            changes += std::abs(pitch[i] - pitch[i - 1]) > 0.08f ? 1 : 0;
            rises += pitch[i] - pitch[i - 1] > 0.08f ? 1 : 0;
        }
        QVERIFY(changes > 10);
        QVERIFY(std::abs(static_cast<double>(risingEdges(t["detector.step"], kRate, 4.0).size()) -
                         static_cast<double>(changes)) <= 1.0);
        QVERIFY(std::abs(static_cast<double>(risingEdges(t["detector.rising"], kRate, 4.0).size()) -
                         static_cast<double>(rises)) <= 1.0);
        for (std::size_t i = 20000; i < pitch.size(); i += 7919)
            if (std::abs(pitch[i] - t["tracks.pitch-2"][i]) > 0.05f)
                QCOMPARE(t["higher.above"][i] > 4.0f, pitch[i] > t["tracks.pitch-2"][i]);
    }

    /// Jumps strike the drum, rising hisses, falling opens the filter; slid notes move, and do not jump.
    void aMelodyMakesItsOwnRhythm() {
        const Patch patch = build("masthead");
        const Take t = take(patch, 9.0,
                            {"masthead.jump-a", "masthead.moving-a", "masthead.above", "masthead.envelope-1",
                             "masthead.through-a", "masthead.through-b", "drum-vca.out", "tracks.gate-1"});
        const double step = 60.0 / 112.0 / 4.0;
        const auto jumps = risingEdges(t["masthead.jump-a"], kRate, 4.0);
        // Of the sixteen steps by hand: those whose note is another one than before, without the two slides.
        const auto& steps = patch.pattern("tracks")->tracks[0].steps;
        std::vector<double> wanted;
        for (long n = 1; static_cast<double>(n) * step < 8.5; ++n) {
            const Step& now = steps[static_cast<std::size_t>(n) % steps.size()];
            int before = -1;
            for (long k = n - 1; k >= 0 && before < 0; --k)
                if (const Step& one = steps[static_cast<std::size_t>(k) % steps.size()]; one.kind == Step::Kind::Note)
                    before = one.note;
            if (now.kind == Step::Kind::Note && now.note != before && !now.slide)
                wanted.push_back(static_cast<double>(n) * step + 0.001);
        }
        std::size_t met = 0;
        for (const double at : wanted)
            for (const double jump : jumps) met += std::abs(jump - at) < 0.003 ? 1 : 0;
        QVERIFY2(met == wanted.size(), qPrintable(QStringLiteral("%1 of %2").arg(met).arg(wanted.size())));
        for (const double jump : jumps) {
            if (jump < step || jump > 8.4) continue; // the first note, from where the track was before
            QVERIFY2(std::ranges::any_of(wanted, [&](double at) { return std::abs(jump - at) < 0.003; }),
                     qPrintable(QString::number(jump / step)));
            const auto hit = part(t["drum-vca.out"], jump, jump + 0.08);
            QVERIFY(measureLevel(hit).peak().value > 2.0);
        }
        QVERIFY(risingEdges(t["masthead.moving-a"], kRate, 4.0).size() > jumps.size()); // the slides move
        for (const double at : risingEdges(t["masthead.above"], kRate, 4.0)) {
            const auto i = static_cast<std::size_t>((at + 0.002) * kRate);
            QVERIFY(t["masthead.through-a"][i] > t["masthead.through-b"][i]);
        }
    }

    void chaosLocksToItsPeriods_data() {
        QTest::addColumn<double>("mode");
        QTest::addColumn<int>("period");
        QTest::newRow("8") << 1.0 << 8;
        QTest::newRow("16") << 2.0 << 16;
        QTest::newRow("127") << 3.0 << 127;
        QTest::newRow("free") << 0.0 << 0;
    }
    void chaosLocksToItsPeriods() {
        QFETCH(double, mode);
        QFETCH(int, period);
        Patch patch = with(with(build("deep-water"), "register", "mode", mode), "register", "state", 0b01100101);
        patch = with(with(patch, "whirl-b", "range", 0), "whirl-b", "octave", 2); // faster, so that more is seen of it
        const Take t = take(patch, 8.0, {"register.bit-1", "whirl-b.pulse"});
        std::vector<bool> bits;
        const auto& clock = t["whirl-b.pulse"];
        for (std::size_t i = 1; i + 60 < clock.size(); ++i)
            if (clock[i - 1] < 1.5f && clock[i] >= 1.5f && (bits.empty() || i > 0))
                bits.push_back(t["register.bit-1"][i + 50] > 4.0f);
        QVERIFY2(bits.size() > 300, qPrintable(QString::number(bits.size())));
        const auto repeats = [&](int shift) {
            for (std::size_t i = 20; i + static_cast<std::size_t>(shift) < bits.size(); ++i)
                if (bits[i] != bits[i + static_cast<std::size_t>(shift)]) return false;
            return true;
        };
        int found = 0;
        for (int shift = 1; shift <= 130 && found == 0; ++shift)
            if (repeats(shift)) found = shift;
        QCOMPARE(found, period);
    }

    /// Scenes lead from one caught state to the next, and the quantizer's own tune takes a step for every note found.
    void undertowGoesFromStateToState() {
        const Patch patch = build("undertow");
        RenderOptions options;
        options.seconds = 32.5;
        options.scenes = true;
        options.fileRate = 0.0;
        options.engineRate = 48000.0;
        for (int bit = 1; bit <= 8; ++bit) options.probes.push_back({"register", "bit-" + std::to_string(bit)});
        for (const char* jack : {"quantizer.in-1", "quantizer.out-1", "quantizer.trigger-1", "register.second"})
            options.probes.push_back(jackRef(jack));
        const auto made = render(patch, workspace().library, options);
        QVERIFY(made);
        const auto bitsAt = [&](double seconds) {
            unsigned bits = 0;
            for (unsigned bit = 0; bit < 8; ++bit) {
                const auto& volts = made->probes.at({"register", "bit-" + std::to_string(bit + 1)});
                if (volts[static_cast<std::size_t>(seconds * 48000.0)] > 4.0f) bits |= 1u << bit;
            }
            return bits;
        };
        const double scene = 16.0 * 60.0 / 92.0; // four bars
        const auto caught = [&](const char* name) {
            return static_cast<unsigned>(patch.settings.at(name).at("register").at("state"));
        };
        // The state is there before the first clock of its scene has moved it on: locked, it is what was caught, turned
        // by one.
        const auto isOrFollows = [](unsigned now, unsigned state) {
            return now == state || now == ((state << 1 | state >> 7) & 0xFFu) ||
                   now == ((state << 1 | (~state >> 7 & 1u)) & 0xFFu);
        };
        QVERIFY(isOrFollows(bitsAt(scene + 0.03), caught("register: Shoal")));
        QVERIFY(isOrFollows(bitsAt(3.0 * scene + 0.03), caught("register: Bell")));
        // The tune has its own notes only, up by the root, however the register wanders.
        std::set<int> notes;
        for (const double note : stepsOf(made->probes.at(jackRef("quantizer.out-1"))))
            notes.insert(static_cast<int>(std::lround(note)));
        for (const int note : notes)
            QVERIFY2(std::set<int>({0, 2, 5, 7, 9, 12, 14}).contains(note), qPrintable(QString::number(note)));
        QVERIFY(notes.size() >= 4);
        const auto triggers = risingEdges(made->probes.at(jackRef("quantizer.trigger-1")), 48000.0, 4.0);
        QVERIFY2(triggers.size() > 30, qPrintable(QString::number(triggers.size())));
        // What is weighed by hand takes other levels than the three bits of the first voltage.
        std::set<int> levels;
        for (const float volts : made->probes.at(jackRef("register.second")))
            levels.insert(static_cast<int>(std::lround(1000.0f * volts)));
        QVERIFY2(levels.size() > 8 && levels.size() <= 16, qPrintable(QString::number(levels.size())));
    }

    /// A pedal at a jack: notes slide while it is high, and step while it is low; the plug in the box takes its wave's
    /// place.
    void theNestSlidesWhileTheFootIsDown() {
        const Patch patch = build("crows-nest");
        const Take t = take(patch, 12.0, {"keys.pitch-1", "feet.square", "nest.out"});
        const auto& pitch = t["keys.pitch-1"];
        const auto& foot = t["feet.square"];
        int slid = 0;
        int stepped = 0;
        for (std::size_t i = 1; i < pitch.size(); ++i) {
            const float moved = std::abs(pitch[i] - pitch[i - 1]);
            if (moved == 0.0f) continue;
            if (moved > 0.05f) {
                ++stepped;
                QVERIFY(foot[i] < 1.0f);
            } else {
                ++slid;
            }
        }
        QVERIFY2(stepped >= 5 && slid > 10'000, qPrintable(QStringLiteral("%1, %2").arg(stepped).arg(slid)));
        QVERIFY(peakOf(t["nest.out"]) > 1.0);
        const Take alone = take(without(patch, "nest.cutoff"), 3.0, {"nest.out"});
        QVERIFY(alone["nest.out"] != part(t["nest.out"], 0.0, 3.0));
    }

    void ballBouncesFasterAndFaster() {
        const Take t = take(build("envelope-engine"), 4.0, {"up.out", "bass-vca.out"});
        const auto bounces = risingEdges(t["up.out"], kRate, 4.0);
        std::vector<double> intervals;
        for (std::size_t n = 1; n < bounces.size() && bounces[n] < 3.2; ++n)
            intervals.push_back(bounces[n] - bounces[n - 1]);
        QVERIFY2(intervals.size() > 10, qPrintable(QString::number(intervals.size())));
        for (std::size_t n = 1; n < intervals.size(); ++n)
            QVERIFY2(intervals[n] < intervals[n - 1] * 1.001,
                     qPrintable(QStringLiteral("%1 then %2").arg(intervals[n - 1]).arg(intervals[n])));
        QVERIFY(intervals.front() > 3.0 * intervals.back());
        // While the ball is up, the bass is down.
        const double up = bounces[2] + 0.002;
        QVERIFY(rms(part(t["bass-vca.out"], up, up + 0.02)) <
                0.7 * rms(part(t["bass-vca.out"], up + 0.8 * intervals[2] - 0.02, up + 0.8 * intervals[2])));
    }

    void fourFiveSixIsAJustChord() {
        const Patch patch = with(build("four-related"), "functions", "shift-amount", 0.0);
        const Take t = take(patch, 3.0, {"functions.related-1", "functions.related-2", "functions.related-3"});
        const double root = pitchOf(part(t["functions.related-1"], 0.5, 3.0));
        QVERIFY(std::abs(cents(pitchOf(part(t["functions.related-2"], 0.5, 3.0)), root) - 386.314) < 0.1);
        QVERIFY(std::abs(cents(pitchOf(part(t["functions.related-3"], 0.5, 3.0)), root) - 701.955) < 0.1);
        // The other relations, of the same cables: one bell after another, and a quarter turn apart.
        const auto related = [&](double mode, double shift) {
            const Patch other = with(with(patch, "functions", "mode", mode), "functions", "shift", shift);
            return take(other, 1.0, {"functions.related-1", "functions.related-2", "functions.related-4"});
        };
        const Take last = related(0, 100);
        QVERIFY(peakOf(last["functions.related-1"]) < 0.01 && peakOf(last["functions.related-4"]) > 3.9);
        QVERIFY(peakOf(related(0, 0)["left"]) < 0.01); // silent at noon
        const Take turned = related(1, 100);
        const auto& first = turned["functions.related-1"];
        const auto& second = turned["functions.related-2"];
        const auto quarter = static_cast<std::size_t>(std::lround(0.25 * 0.0068 * kRate));
        for (std::size_t i = 48000; i < 60000; ++i) QVERIFY(std::abs(second[i] - first[i + quarter]) < 0.03f);
        // Slow, the same ratios are metres: in one turn of four there are five and six.
        const Take slow = take(with(with(patch, "functions", "rise", 0.2), "functions", "fall", 0.2), 7.99,
                               {"functions.related-1", "functions.related-3"});
        QCOMPARE(risingEdges(slow["functions.related-1"], kRate, 0.0).size(), std::size_t{20});
        QCOMPARE(risingEdges(slow["functions.related-3"], kRate, 0.0).size(), std::size_t{30});
    }

    void theKickDucksTheLeadAndTheFloorRisesByWhatIsSet() {
        const Patch patch = build("engine-room");
        // A held kick tone of known level in the side-chain: the static curve says by how much.
        Patch steady = without(without(patch, "kick-vca.lin-cv"), "kick-osc.sync");
        steady = with(steady, "kick-vca", "offset", 100.0);
        steady = with(without(steady, "kick-osc.fm"), "kick-osc", "octave", 4);
        const Take t = take(steady, 3.0,
                            {"compressor.reduction", "kick-vca.out", "drive.out", "bridge.to-left", "bridge.out-left"});
        const double level = decibels(std::sqrt(2.0) * rms(part(t["kick-vca.out"], 2.0, 3.0)) / 5.0);
        const double predicted = (1.0 - 1.0 / 4.0) * (level + 18.0);
        const double reduced = 6.0 * meanOf(part(t["compressor.reduction"], 2.0, 3.0));
        QVERIFY2(std::abs(reduced - predicted) < 0.2,
                 qPrintable(QStringLiteral("%1 dB for %2").arg(reduced).arg(predicted)));
        const double through =
            decibels(rms(part(t["bridge.out-left"], 2.0, 3.0)) / rms(part(t["bridge.to-left"], 2.0, 3.0)));
        QVERIFY2(std::abs(through - (6.0 - predicted)) < 0.3,
                 qPrintable(QStringLiteral("%1 dB through, %2 predicted").arg(through).arg(6.0 - predicted)));
        // In the real case, with nothing played, the drive's gain and the make-up are what the floor rises by.
        Patch silent = patch;
        silent.patterns.clear();
        const Take floor = take(silent, 2.0, {"bridge.to-left", "compressor.left-out"}, true);
        const double rise =
            decibels(rms(part(floor["compressor.left-out"], 0.5, 2.0)) / rms(part(floor["bridge.to-left"], 0.5, 2.0)));
        QVERIFY2(rise > 5.5 && rise < 9.0,
                 qPrintable(QStringLiteral("the floor rises by %1 dB for a make-up of 6").arg(rise)));
    }

    void textureIsWideSteadyAndMoves() {
        const Take t = take(build("texture"), 14.0);
        QVERIFY(rms(part(t["left"], 8.0, 14.0)) > 0.1);
        double same = 0.0;
        double all = 0.0;
        for (std::size_t i = 600000; i < t["left"].size(); i += 7) {
            same += static_cast<double>(t["left"][i] * t["right"][i]);
            all += 0.5 * static_cast<double>(t["left"][i] * t["left"][i] + t["right"][i] * t["right"][i]);
        }
        QVERIFY(same / all < 0.9); // not mono
    }

  private:
    /// The smaller part of high and low time, 0…0.5.
    static double highLowRatio(const std::vector<float>& volts) {
        const auto high = static_cast<double>(std::ranges::count_if(volts, [](float v) { return v > 0.0f; }));
        const double share = high / static_cast<double>(volts.size());
        return std::min(share, 1.0 - share);
    }
};

QTEST_GUILESS_MAIN(BuildsTest)
#include "builds_test.moc"
