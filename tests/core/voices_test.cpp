// More of the shipped patches, measured: a vowel, a hub without a clock, a song.
#include "measure/formants.h"
#include "support/analysis.h"
#include "support/builds.h"
#include "units/pitch.h"

#include <QtTest>

#include <algorithm>
#include <cmath>

using namespace lariat;
using namespace lariat::test;

class VoicesTest : public QObject {
    Q_OBJECT

  private Q_SLOTS:
    /// Peterson and Barney (1952), men's "hod": 730 and 1090 Hz.
    void vowelHasTheFormantsOfAnOpenVowel() {
        const Take t = take(build("vowel-voice"), 7.5, {"vca.out", "leader.saw", "follower.saw"});
        const auto& voice = t["vca.out"];
        const auto open = measureFormants(part(voice, 0.5, 1.5), kRate);
        QVERIFY(open.size() >= 2);
        qInfo("formants %.0f and %.0f Hz", open[0].hertz, open[1].hertz);
        QVERIFY2(std::abs(open[0].hertz / 730.0 - 1.0) < 0.1, qPrintable(QString::number(open[0].hertz)));
        QVERIFY2(std::abs(open[1].hertz / 1090.0 - 1.0) < 0.1, qPrintable(QString::number(open[1].hertz)));
        // The leader is not heard, but its pitch is: it restarts the follower.
        QVERIFY(std::abs(cents(pitchOf(part(voice, 0.5, 1.5)), noteToHertz(33).value)) < 2.0);
        const Take mute = take(without(build("vowel-voice"), "band.in-1"), 1.5, {"vca.out"});
        QVERIFY(peakOf(mute["vca.out"]) < 0.01);
        // Less pressure: throat and amplifier close.
        const auto less = measureFormants(part(voice, 2.2, 3.2), kRate);
        QVERIFY2(less[0].hertz < 0.95 * open[0].hertz,
                 qPrintable(QStringLiteral("%1 then %2").arg(open[0].hertz).arg(less[0].hertz)));
        QVERIFY(rms(part(voice, 2.2, 3.2)) < 0.6 * rms(part(voice, 0.5, 1.5)));
        // The joystick bends the follower: the second formant rises, the first one and the pitch stay.
        const auto bent = measureFormants(part(voice, 6.2, 7.0), kRate);
        QVERIFY2(bent[1].hertz > 1.12 * open[1].hertz && std::abs(bent[0].hertz / open[0].hertz - 1.0) < 0.12,
                 qPrintable(QStringLiteral("%1 and %2").arg(bent[0].hertz).arg(bent[1].hertz)));
        QVERIFY(std::abs(cents(pitchOf(part(voice, 6.2, 7.0)), noteToHertz(33).value)) < 2.0);
    }

    /// The hub's own stages time everything: a turn takes what its knobs say, the kick sounds where it sets out, the
    /// bass steps where it holds, the hat where it lets go.
    void aLoopingContourIsTheHub() {
        const Patch steady = with(build("capstan"), "hub", "all-amount", 0.0);
        const Take t = take(steady, 6.0,
                            {"hub.attack-gate", "hub.sustain-gate", "hub.release-gate", "kick-vca.out", "hat-vca.out",
                             "osc.saw", "steps.cv"});
        const auto sets = risingEdges(t["hub.attack-gate"], kRate, 4.0);
        const auto holds = risingEdges(t["hub.sustain-gate"], kRate, 4.0);
        const auto letsGo = risingEdges(t["hub.release-gate"], kRate, 4.0);
        QVERIFY(sets.size() > 8 && holds.size() > 8);
        const double turn = 0.12 + 0.15 + 6 * 0.02 + 0.21; // attack, decay, hold, release
        for (std::size_t n = 1; n < sets.size(); ++n)
            QVERIFY2(std::abs(sets[n] - sets[n - 1] - turn) < 0.002,
                     qPrintable(QString::number(sets[n] - sets[n - 1])));
        for (std::size_t n = 1; n < 6; ++n) {
            const auto& kick = t["kick-vca.out"];
            QVERIFY(peakOf(part(kick, sets[n], sets[n] + 0.03)) >
                    4.0 * peakOf(part(kick, sets[n] - 0.03, sets[n] - 0.002)));
            const auto& hat = t["hat-vca.out"];
            QVERIFY(rms(part(hat, letsGo[n], letsGo[n] + 0.02)) > 10.0 * rms(part(hat, holds[n], holds[n] + 0.1)));
            const auto& cv = t["steps.cv"];
            QVERIFY(std::abs(cv[idx((holds[n] + 0.001) * kRate)] - cv[idx((holds[n] - 0.001) * kRate)]) > 0.1f);
            QCOMPARE(cv[idx((holds[n] + 0.01) * kRate)], cv[idx((holds[n] + 0.5) * kRate)]);
        }
        // Longer at the top without a gate: sustain is time.
        const Take slow = take(with(steady, "hub", "sustain", 26.0), 4.0, {"hub.attack-gate"});
        const auto later = risingEdges(slow["hub.attack-gate"], kRate, 4.0);
        QVERIFY(std::abs(later[2] - later[1] - turn - 20 * 0.02) < 0.002);
        // With its breath the turns are not alike.
        const Take breathing = take(build("capstan"), 12.0, {"hub.attack-gate"});
        const auto breaths = risingEdges(breathing["hub.attack-gate"], kRate, 4.0);
        QVERIFY(std::abs((breaths[10] - breaths[9]) - (breaths[1] - breaths[0])) > 0.01);
    }

    /// Verse and chorus differ as they are written; the bus goes through bands, equalizer and width, and back.
    void aSongInTwoParts() {
        const Patch song = build("landfall");
        RenderOptions options;
        options.seconds = 4 * 16 * 60.0 / 104.0;
        options.fileRate = 0.0;
        options.scenes = true;
        options.probes = {{"tracks", "pitch-1"}, {"tracks", "drum-1"}};
        const auto made = render(song, workspace().library, options);
        QVERIFY(made.has_value());
        const double scene = 16 * 60.0 / 104.0;
        const auto& pitch = made->probes.at({"tracks", "pitch-1"});
        const auto& kicks = made->probes.at({"tracks", "drum-1"});
        const auto lowest = [&](int n) {
            const auto span = part(pitch, n * scene + 0.05, (n + 1) * scene - 0.05);
            return 12.0 * static_cast<double>(*std::ranges::min_element(span)) + 60.0;
        };
        for (const int n : {0, 1, 3}) QVERIFY(std::abs(lowest(n) - 38.0) < 0.01); // D2
        QVERIFY(std::abs(lowest(2) - 34.0) < 0.01);                               // A#1
        const auto count = [&](int n) {
            return risingEdges(part(kicks, n * scene + 0.05, (n + 1) * scene + 0.04), kRate, 4.0).size();
        };
        QCOMPARE(count(0), std::size_t{20}); // five in each of four bars
        QCOMPARE(count(2), std::size_t{24});
        // Width: what is on one side only is more of it, and the low shelf lifts the low end.
        const auto side = [&](const Patch& patch) {
            const Take t = take(patch, 4.0);
            double difference = 0.0;
            for (std::size_t i = 96000; i < 380000; ++i)
                difference += std::pow(static_cast<double>(t["left"][i]) - static_cast<double>(t["right"][i]), 2.0);
            return std::sqrt(difference);
        };
        QVERIFY(std::abs(side(with(song, "width", "width", 100)) * 1.35 / side(song) - 1.0) < 0.1);
        QVERIFY(side(with(song, "width", "width", 0)) < 0.05 * side(song));
        const auto low = [&](double gain) {
            const Take t =
                take(with(song, "equalizer", "low-gain", gain), 4.0, {"equalizer.left-out", "bands.left-out"});
            return amplitudeOf(part(t["equalizer.left-out"], 1.0, 4.0), 36.7, kRate, 2.5) /
                   amplitudeOf(part(t["bands.left-out"], 1.0, 4.0), 36.7, kRate, 2.5);
        };
        QVERIFY2(std::abs(decibels(low(12) / low(0)) - 11.0) < 1.5,
                 qPrintable(QString::number(decibels(low(12) / low(0)))));
        // The bus is the insert's: without its return only the dry bus is left.
        const Take bus = take(song, 3.0, {"bridge.to-left", "width.left-out", "bridge.out-left"});
        for (std::size_t i = 20000; i < 280000; ++i)
            QVERIFY(std::abs(bus["bridge.out-left"][i] - bus["width.left-out"][i]) < 1e-4f);
    }

    /// Notes of a ringing filter behind an opto-coupler leap up and glide down.
    void glowingNotesGlideDown() {
        const Patch still = without(build("glowworm"), "glow.cv");
        const Take t = take(still, 7.0, {"glow.band", "tracks.pitch-1"});
        const double beat = 60.0 / 72.0;
        const auto pitchAt = [&](double from, double to) { return pitchOf(part(t["glow.band"], from, to)); };
        const auto wanted = [](int note) { return noteToHertz(note - 24).value; }; // C4 is 0 V is C2
        // Struck at C6: there within some milliseconds; then C4, two octaves down, is still far above at the beginning.
        QVERIFY(std::abs(cents(pitchAt(0.05, 0.25), wanted(84))) < 30.0);
        QVERIFY(cents(pitchAt(beat + 0.02, beat + 0.09), wanted(60)) > 500.0);
        // On the way down it only falls.
        double before = 1e9;
        for (double at = beat + 0.03; at < beat + 0.35; at += 0.05) {
            const double now = pitchAt(at, at + 0.08);
            QVERIFY2(now < before * 1.01, qPrintable(QStringLiteral("%1 at %2").arg(now).arg(at)));
            before = now;
        }
        // Up again it leaps.
        QVERIFY(std::abs(cents(pitchAt(2 * beat + 0.05, 2 * beat + 0.25), wanted(79))) < 40.0);
    }

    /// The middle mast follows an oscillator outside, note by note; the others stand above it by whole numbers.
    void threeMastsFollowALine() {
        const Patch still =
            with(with(build("rigging"), "masts", "inner-index-amount", 0.0), "masts", "inner-index", 0.0);
        const Take t = take(still, 5.0, {"masts.inner-sine", "vca.in", "masts.right-sine", "halyard.pulse"});
        const double step = 60.0 / 96.0 / 4.0;
        const int starts[] = {0, 3, 6, 8, 11, 13};
        const int notes[] = {50, 53, 57, 55, 52, 48};
        for (std::size_t n = 0; n < 6; ++n) {
            const double from = starts[n] * step + 0.03; // some periods to find it
            const double to = from + 0.2;
            const double line = pitchOf(part(t["halyard.pulse"], from, to));
            QVERIFY(std::abs(cents(line, noteToHertz(notes[n]).value)) < 0.5);
            QVERIFY(std::abs(cents(pitchOf(part(t["masts.inner-sine"], from, to)), line)) < 1.0);
            QVERIFY(std::abs(cents(pitchOf(part(t["masts.right-sine"], from, to)), line) - 701.955) < 1.0);
        }
        // Shaken by the outer two, the middle one gets brighter, most where the note begins.
        const Take shaken = take(build("rigging"), 2.0, {"masts.inner-sine"});
        const auto upper = [&](double from) {
            const auto span = part(shaken["masts.inner-sine"], from, from + 0.06);
            const double d3 = noteToHertz(50).value;
            return amplitudeOf(span, 2.0 * d3, kRate, 0.05) + amplitudeOf(span, 3.0 * d3, kRate, 0.05);
        };
        QVERIFY(upper(0.02) > 1.3 * upper(0.4));
    }

    /// Scenes turn a switch that gives another knob another use: four relations of the same four outputs, in one song.
    void scenesChangeWhatAKnobMeans() {
        const Patch bells = build("four-related");
        RenderOptions options;
        options.seconds = 64.0;
        options.fileRate = 0.0;
        options.scenes = true;
        for (const char* n : {"1", "2", "3", "4"}) options.probes.push_back({"functions", std::string("related-") + n});
        const auto made = render(bells, workspace().library, options);
        QVERIFY(made.has_value());
        const auto out = [&](int scene, double at, double seconds, const char* n) {
            return part(made->probes.at({"functions", std::string("related-") + n}), 16.0 * scene + at,
                        16.0 * scene + at + seconds);
        };
        const double core = 1.0 / 0.0068;
        // Chords, swept by the wave: at rest major, at its crest more than that.
        QVERIFY(std::abs(cents(pitchOf(out(0, 0.05, 0.4, "3")), core) - 701.955) < 1.0);
        QVERIFY(std::abs(cents(pitchOf(out(0, 0.05, 0.4, "2")), core) - 386.314) < 1.0);
        QVERIFY(std::abs(cents(pitchOf(out(0, 3.8, 0.4, "4")), core) - 968.826) < 1.0); // 4:5:6:7
        // Fade: all alike in pitch, each at its own level; the wave walks over them.
        for (const char* n : {"1", "2", "3", "4"})
            if (peakOf(out(1, 4.0, 0.3, n)) > 0.5) QVERIFY(std::abs(cents(pitchOf(out(1, 4.0, 0.3, n)), core)) < 1.0);
        QVERIFY(peakOf(out(1, 3.9, 0.2, "1")) < 0.05 && peakOf(out(1, 3.9, 0.2, "4")) > 3.0);
        // Phase: all of them, around zero; core: pulses on the middle two.
        for (const char* n : {"1", "2", "3", "4"}) QVERIFY(std::abs(peakOf(out(2, 1.0, 0.3, n)) - 4.0) < 0.2);
        const auto ends = out(3, 1.0, 0.3, "2");
        QVERIFY(*std::ranges::min_element(ends) == 0.0f && *std::ranges::max_element(ends) > 7.9f);
    }
};

QTEST_GUILESS_MAIN(VoicesTest)
#include "voices_test.moc"
