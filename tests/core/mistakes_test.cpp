// All mistakes that Lariat looks for, as a table: each made on purpose, found with its figure, and cured by its first
// fix; and the shipped patches, in which nothing is found that was not meant.
#include "findings/trial.h"
#include "library/check.h"
#include "library/tie.h"
#include "support/patches.h"

#include <QtTest>

#include <functional>

using namespace lariat;
using namespace lariat::test;

namespace {

PatchMaker voice() {
    return PatchMaker("tower-case").voice();
}

PatchMaker without(PatchMaker maker, const std::string& to) {
    return maker.untie(to);
}

/// The voice, whose tune goes through a part with its knobs like this.
PatchMaker tuneThrough(const char* slot, const char* part, const std::map<std::string, double>& knobs) {
    PatchMaker maker = without(voice(), "osc.voct");
    maker.post("way", slot, part).tie("tracks.pitch-1", "way.in").tie("way.out", "osc.voct");
    for (const auto& [knob, value] : knobs) maker.knob("way", knob, value);
    return maker;
}

/// The voice, with an echo behind it.
PatchMaker echoed(const char* knob, double value) {
    return without(voice(), "out.left")
        .post("echo", "foghorn", "echo")
        .knob("echo", "mix", 60)
        .knob("echo", knob, value)
        .tie("vca.out", "echo.left")
        .tie("echo.left-out", "out.left");
}

/// The voice, with a contour of any kind at the drum lane on a second VCA.
PatchMaker drum(double type, double decay, double attack = 0.001) {
    PatchMaker maker = voice();
    maker.post("hit", "sextant-a", "contour")
        .post("noise", "spray-a", "noise")
        .post("hit-vca", "ballast-b", "1")
        .tie("tracks.drum-1", "hit.gate")
        .tie("noise.white", "hit-vca.in")
        .tie("hit.out", "hit-vca.lin-cv")
        .tie("hit-vca.out", "out.right");
    maker.knob("hit", "type", type)
        .knob("hit", "decay", decay)
        .knob("hit", "attack", attack)
        .knob("hit", "sustain", 50);
    return maker;
}

/// Two oscillators that shake each other.
PatchMaker shaken(double depth) {
    PatchMaker maker = voice();
    maker.post("other", "keel-a", "b").tie("other.sine", "osc.fm").tie("osc.sine", "other.fm");
    maker.knob("osc", "fm-amount", depth).knob("other", "fm-amount", depth).knob("other", "fine", 3.3);
    return maker;
}

struct Mistake {
    const char* rule;
    const char* figure; ///< a part of it
    std::function<PatchMaker()> make;
    bool fixed = true; ///< its first fix cures it
};

const std::map<std::string, Mistake>& mistakes() {
    static const std::map<std::string, Mistake> all = {
        {"no path to the output", {"no-path", "0.0 V", [] { return without(voice(), "out.left"); }}},
        {"no sound: sequencer without a clock",
         {"no-sound", "0 clock pulses", [] { return without(voice(), "tracks.clock"); }}},
        {"no sound: envelope without a gate",
         {"no-sound", "0.0 V come out", [] { return without(voice(), "contour.gate"); }}},
        {"no sound: way out turned down", {"no-sound", "-60 dB", [] { return voice().knob("out", "level", -60); }}},
        {"closed VCA", {"closed", "0.000 V come out", [] { return without(voice(), "vca.lin-cv"); }}},
        {"closed filter",
         {"closed", "V go in", [] { return voice().knob("filter", "cutoff", 16).knob("osc", "octave", 7); }}},
        {"attenuator at zero",
         {"zero-attenuator", "V arrive, 0 % pass",
          [] { return voice().post("lfo", "swell-a", "lfo").tie("lfo.triangle", "filter.cv-2"); }}},
        {"tuning that is not heard",
         {"tuning-unheard", "just-minor is not heard",
          [] { return voice().post("quantizer", "compass", "quantizer").tuning("quantizer", "just-minor"); }}},
        {"passive split sags pitch",
         {"split-sags", "cents flat",
          [] {
              return without(voice(), "osc.voct")
                  .post("steps", "ratline", "steps")
                  .post("second", "keel-a", "b")
                  .knob("steps", "fader-1", 80)
                  .tie("clock.beat", "steps.clock")
                  .tie("steps.cv", "osc.voct")
                  .tie("steps.cv", "second.voct");
          }}},
        {"pitch cable on a synced follower",
         {"pitch-on-follower", "st, what is heard 0.0 st",
          [] { return voice().post("leader", "keel-a", "b").tie("leader.pulse", "osc.sync"); }}},
        {"attenuated pitch",
         {"pitch-attenuated", "an octave arrives as 600 cents",
          [] {
              return without(voice(), "osc.voct")
                  .post("level", "cargo-a", "1")
                  .knob("level", "amount", 50)
                  .tie("tracks.pitch-1", "level.in")
                  .tie("level.out", "osc.voct");
          }}},
        {"tune turned over",
         {"pitch-attenuated", "an octave arrives as -1200 cents",
          [] {
              return tuneThrough("cargo-a", "1", {{"amount", -100}});
          }}},
        {"tune shifted by no semitone",
         {"pitch-shifted", "every note arrives +44 cents off",
          [] {
              return tuneThrough("cargo-a", "1", {{"amount", 100}, {"offset", 0.37}});
          }}},
        {"tune slurred",
         {"glide-too-slow", "notes end",
          [] {
              return tuneThrough("drag-a", "1", {{"rise", 8}, {"fall", 8}});
          }}},
        {"tune tied nowhere", {"no-tune", "0 of the notes of track 1", [] { return without(voice(), "osc.voct"); }}},
        {"tune of an empty track",
         {"no-tune", "the pitch stays at",
          [] { return without(voice(), "osc.voct").tie("tracks.pitch-3", "osc.voct"); }}},
        {"gate where pitch is wanted",
         {"wrong-jack", "8.0 V at every gate",
          [] { return without(voice(), "osc.voct").tie("tracks.gate-1", "osc.voct"); }}},
        {"pitch where a gate is wanted",
         {"wrong-jack", "V", [] { return without(voice(), "contour.gate").tie("tracks.pitch-1", "contour.gate"); }}},
        {"velocity as a gate",
         {"wrong-jack", "never below",
          [] { return without(voice(), "contour.gate").tie("tracks.velocity-1", "contour.gate"); }}},
        {"reset at every step",
         {"reset-always", "clock pulses",
          [] { return without(voice(), "tracks.reset").tie("clock.sixteenths", "tracks.reset"); }}},
        {"modulation of a wave nobody hears",
         {"modulation-unheard", "0 of 3 waves",
          [] {
              return voice().post("lfo", "swell-a", "lfo").tie("lfo.triangle", "osc.pwm").knob("osc", "pwm-amount", 20);
          }}},
        {"echo that never dies away", {"drone", "dB", [] { return echoed("feedback", 110); }}},
        {"echo that holds for ever", {"drone", "dB", [] { return echoed("freeze", 1); }}},
        {"no sound: through a mult, a slew and a matrix",
         {"no-sound", "0 clock pulses",
          [] {
              return without(without(voice(), "tracks.clock"), "contour.gate")
                  .post("mult", "splice-a", "mult")
                  .post("lag", "drag-a", "1")
                  .post("net", "net", "matrix")
                  .knob("lag", "rise", 0)
                  .knob("lag", "fall", 0)
                  .knob("net", "amount-23", 100)
                  .tie("tracks.gate-1", "mult.in")
                  .tie("mult.out-3", "lag.in")
                  .tie("lag.out", "net.in-2")
                  .tie("net.out-3", "contour.gate");
          }}},
        {"no sound: nothing is written",
         {"no-sound", "0 notes written",
          [] { return without(voice(), "contour.gate").tie("tracks.gate-3", "contour.gate"); }}},
        {"filter voice without tracking",
         {"filter-not-tracking", "stays at 1000 Hz while the tune moves 1200 cents",
          [] { return without(voice(), "filter.in-1").knob("filter", "resonance", 100); }}},
        {"gate straight into a VCA",
         {"gate-clicks", "0 to 8.0 V",
          [] { return without(voice(), "vca.lin-cv").tie("tracks.gate-1", "vca.lin-cv"); }}},
        {"trigger into a gate input", {"trigger-as-gate", "pulses of", [] { return drum(0, 0.1, 0.03); }}},
        {"bell struck by a hard pulse",
         {"struck-twice", "pulses, ",
          [] {
              return voice().post("bank", "buoy", "bank").tie("tracks.gate-1", "bank.in").tie("bank.mix", "out.right");
          }}},
        {"gate too low",
         {"pulse-missed", "2.0 V are needed",
          [] {
              return without(voice(), "contour.gate")
                  .post("level", "cargo-a", "1")
                  .knob("level", "amount", 15)
                  .tie("tracks.gate-1", "level.in")
                  .tie("level.out", "contour.gate");
          }}},
        {"sustain never reached",
         {"sustain-not-reached", "attack + decay 430 ms",
          [] {
              return voice()
                  .knob("contour", "attack", 0.03)
                  .knob("contour", "decay", 0.4)
                  .knob("contour", "sustain", 50);
          }}},
        {"tail longer than the step", {"tail-runs-on", "when the next hit comes", [] { return drum(2, 3.0); }}},
        {"drum not reset",
         {"drum-not-reset", "hits differ by",
          [] {
              PatchMaker maker = drum(2, 0.05);
              return without(maker, "hit-vca.in")
                  .post("body", "anchor-a", "osc")
                  .knob("body", "fine", 1.37)
                  .tie("body.sine", "hit-vca.in");
          }}},
        {"envelope that runs free",
         {"free-running", "by itself",
          [] {
              return without(voice(), "contour.gate")
                  .knob("contour", "loop", 1)
                  .knob("contour", "decay", 0.1)
                  .post("mult", "splice-a", "mult")
                  .tie("tracks.gate-1", "mult.in")
                  .tie("mult.out-1", "filter.cv-1")
                  .knob("filter", "amount-1", 5);
          }}},
        {"bipolar into a unipolar input",
         {"wrong-polarity", "shut 50 % of the time",
          [] {
              return without(voice(), "vca.lin-cv")
                  .post("lfo", "swell-a", "lfo")
                  .knob("lfo", "rate", 3)
                  .tie("lfo.sine", "vca.lin-cv");
          }}},
        {"unipolar where an offset is wanted",
         {"wrong-polarity", "to one side only",
          [] {
              return without(voice(), "out.left")
                  .post("pan", "rudder", "1")
                  .tie("vca.out", "pan.in")
                  .tie("contour.out", "pan.pan-cv")
                  .tie("pan.left", "out.left")
                  .tie("pan.right", "out.right");
          }}},
        {"pulse width driven to silence",
         {"width-silent", "silent",
          [] {
              return without(voice(), "filter.in-1")
                  .post("lfo", "swell-a", "lfo")
                  .tie("osc.pulse", "filter.in-1")
                  .tie("lfo.sine", "osc.pwm")
                  .knob("osc", "pwm-amount", 80);
          }}},
        {"modulation pinned at its limit",
         {"pinned", "at its limit",
          [] {
              return voice()
                  .post("lfo", "swell-a", "lfo")
                  .tie("lfo.sine", "filter.cv-2")
                  .knob("filter", "amount-2", 100)
                  .knob("filter", "cutoff", 8000);
          }}},
        {"exponential FM pulls the pitch",
         {"fm-pulls-pitch", "the mean pitch moves +",
          [] {
              return voice().post("other", "keel-a", "b").tie("other.sine", "osc.fm").knob("osc", "fm-amount", 20);
          }}},
        {"cross-modulation turned to noise", {"turned-to-noise", "flatness 0.", [] { return shaken(90); }}},
        {"sum clips",
         {"sum-clips", "sums to 1",
          [] {
              PatchMaker maker = voice();
              maker.post("b", "keel-a", "b").post("c", "anchor-a", "osc").post("mixer", "gangway-a", "mixer");
              maker.tie("b.saw", "mixer.in-2")
                  .tie("c.saw", "mixer.in-3")
                  .tie("vca.out", "mixer.in-1")
                  .tie("mixer.mix", "out.right");
              for (const char* level : {"level-1", "level-2", "level-3"}) maker.knob("mixer", level, 100);
              return maker;
          }}},
        {"DC from one-sided squares",
         {"one-sided-sum", "V of DC",
          [] {
              PatchMaker maker = voice();
              maker.post("divider", "capstan", "divider")
                  .post("mixer", "gangway-a", "mixer")
                  .tie("osc.pulse", "divider.clock");
              maker.tie("divider.out-1", "mixer.in-1").tie("divider.out-2", "mixer.in-2").tie("mixer.mix", "out.right");
              return maker.knob("mixer", "level-1", 40).knob("mixer", "level-2", 40);
          }}},
        {"eurorack level into line",
         {"hot-line", "dBu at the way out",
          [] {
              return without(voice(), "out.left")
                  .post("drive", "shoal", "drive")
                  .knob("drive", "gain", 30)
                  .knob("out", "level", 0)
                  .tie("vca.out", "drive.in")
                  .tie("drive.out", "out.left");
          }}},
        {"noise floor raised",
         {"noise-raised", "rises by 30 dB",
          [] {
              return without(voice(), "out.left")
                  .post("drive", "shoal", "drive")
                  .knob("drive", "gain", 30)
                  .tie("vca.out", "drive.in")
                  .tie("drive.out", "out.left");
          }}},
        {"DC at the speakers",
         {"dc-out", "V of DC",
          [] {
              return without(voice(), "out.left")
                  .post("level", "cargo-a", "1")
                  .knob("level", "amount", 100)
                  .knob("level", "offset", 3)
                  .tie("vca.out", "level.in")
                  .tie("level.out", "out.left");
          }}},
        {"sudden loudness",
         {"sudden-loudness", "dB louder",
          [] {
              return without(voice(), "vca.lin-cv")
                  .post("lfo", "swell-a", "lfo")
                  .post("level", "cargo-a", "1")
                  .knob("lfo", "rate", 0.5)
                  .knob("lfo", "width", 50)
                  .knob("level", "amount", -100) // so that it begins softly
                  .tie("lfo.square", "level.in")
                  .tie("level.out", "vca.lin-cv")
                  .knob("vca", "offset", 64)
                  .knob("vca", "lin-amount", 100);
          }}},
        {"loop gain above one",
         {"loop-gain", "at the rails",
          [] {
              return voice()
                  .post("mixer", "gangway-a", "mixer")
                  .post("boost", "ballast-b", "1")
                  .knob("boost", "offset", 100)
                  .knob("boost", "boost", 12)
                  .tie("vca.out", "mixer.in-1")
                  .tie("mixer.mix", "boost.in")
                  .tie("boost.out", "mixer.in-2")
                  .knob("mixer", "level-1", 5)
                  .knob("mixer", "level-2", 100)
                  .tie("mixer.inverted", "out.right");
          }}},
        {"a plug breaks a normal",
         {"normal-broken", "no longer reaches",
          [] {
              PatchMaker maker = voice();
              maker.post("d-osc", "dinghy", "osc")
                  .post("d-vca", "dinghy", "vca")
                  .post("d-env", "dinghy", "contour")
                  .post("d-filter", "dinghy", "filter");
              maker.tie("tracks.gate-2", "d-env.gate")
                  .tie("contour.out", "d-vca.lin-cv")
                  .tie("contour.out", "d-filter.cv-1")
                  .tie("d-vca.out", "out.right");
              return maker;
          },
          false}},
        {"a cascade loses channels",
         {"cascade-loses", "missing from out 4: in 1",
          [] {
              PatchMaker maker = without(voice(), "out.left");
              maker.post("bank", "quay-a", "bank").post("scope", "porthole", "scope");
              maker.tie("vca.out", "bank.in-1")
                  .tie("bank.out-1", "scope.a")
                  .tie("osc.sine", "bank.in-2")
                  .tie("bank.out-4", "out.left");
              return maker.knob("bank", "level-1", 80).knob("bank", "level-2", 20);
          }}},
        {"clocks that drift",
         {"clocks-drift", "parts from the beat",
          [] {
              return drum(2, 0.05)
                  .post("lfo", "swell-a", "lfo")
                  .knob("lfo", "rate", 4.03)
                  .post("second", "sextant-b", "contour")
                  .tie("lfo.square", "second.gate")
                  .tie("second.out", "filter.cv-1")
                  .knob("filter", "amount-1", 5);
          }}},
        {"a loop closed by one sample", {"late-loop", "10.4 µs", [] { return shaken(2); }, false}},
    };
    return all;
}

std::string text(const std::vector<Finding>& findings) {
    std::string out;
    for (const Finding& finding : findings) out += finding.rule + ": " + finding.figure.str() + "\n";
    return out;
}

} // namespace

class MistakesTest : public QObject {
    Q_OBJECT

  private Q_SLOTS:
    void theVoiceTheyAreMadeInIsRight() {
        const auto found = findingsIn(voice().make());
        QVERIFY2(found.empty(), text(found).c_str());
    }

    void isFoundAndCured_data() {
        QTest::addColumn<QString>("mistake");
        for (const auto& [name, mistake] : mistakes()) QTest::newRow(name.c_str()) << QString::fromStdString(name);
    }
    void isFoundAndCured() {
        QFETCH(QString, mistake);
        const Mistake& row = mistakes().at(mistake.toStdString());
        const Patch patch = row.make().make();
        const auto all = findingsIn(patch);
        const auto found = std::ranges::find(all, row.rule, &Finding::rule);
        QVERIFY2(found != all.end(), text(all).c_str());
        QVERIFY2(found->figure.str().find(row.figure) != std::string::npos, found->figure.str().c_str());
        QVERIFY(!found->reason.empty());
        QCOMPARE(found->reason.str().find('{'), std::string::npos);
        QVERIFY(found->cable != 0 || !found->post.empty());
        if (found->severity == Severity::Note) return;
        QVERIFY2(!found->fixes.empty(), whyNone(patch, *found).c_str());
        const auto cured = applyEdits(patch, found->fixes.front().edits).and_then([](Patch made) {
            return checkPatch(std::move(made), workspace().library);
        });
        QVERIFY2(cured, cured ? "" : cured.error().text().c_str());
        const auto left = findingsIn(*cured);
        QVERIFY2(std::ranges::none_of(left,
                                      [&](const Finding& f) {
                                          return f.rule == row.rule && f.cable == found->cable && f.post == found->post;
                                      }),
                 text(left).c_str());
    }

    /// What does nothing, moves the mistake elsewhere, silences something, or makes a drone of it, is no cure.
    void curesAreTried() {
        const Patch patch = without(voice(), "contour.gate").make();
        const auto observed = observe(patch, workspace().library, workspace().housing(patch), 3.0);
        const auto before = everythingIn(*observed);
        const auto found = std::ranges::find(before, std::string("no-sound"), &Finding::rule);
        QVERIFY(found != before.end());
        const auto verdict = [&](std::vector<Edit> edits) {
            return tryFix({say("try"), std::move(edits)}, *found, before, *observed);
        };
        using enum Verdict::Worth;
        const auto tie = [](const char* from, const char* to) {
            return TieCable{{0, jackRef(from), jackRef(to), {}, {}, {}, 0, {}, {}}, 0};
        };
        QCOMPARE(verdict({tie("tracks.gate-1", "contour.gate")}).worth, Good);
        QCOMPARE(verdict({}).worth, None);
        QCOMPARE(verdict({SetKnob{"filter", "cutoff", 700.0}}).why, std::string("it is still there"));
        QCOMPARE(verdict({tie("tracks.gate-2", "contour.gate")}).worth, None); // nothing is written there
        const std::string drones = verdict({SetKnob{"vca", "offset", 80.0}}).why;
        QVERIFY2(drones.starts_with("drone"), drones.c_str());
        QCOMPARE(verdict({tie("tracks.gate-1", "contour.gate"), SetKnob{"osc", "no-such-knob", 1.0}}).worth, None);
        const std::string silent = verdict({tie("tracks.gate-1", "contour.gate"), SetKnob{"out", "level", -60.0}}).why;
        QVERIFY2(!silent.empty(), silent.c_str());
    }

    /// Mistakes that cannot be made: they are refused when the cable is tied, or the file opened.
    void isRefused() {
        Patch patch = voice().make();
        const auto joined = makeTie({"osc", "sine"}, {"vca", "out"}, patch, workspace().library);
        QVERIFY(!joined);
        QVERIFY(joined.error().reason.str().find("two outputs must never be joined") != std::string::npos);
        patch.posts.push_back({"again", "again", "keel-a", "keel-vco-pair", "a", {}, {}, {}});
        const auto twice = checkPatch(patch, workspace().library);
        QVERIFY(!twice);
        QVERIFY(twice.error().reason.str().find("in use already") != std::string::npos);
    }

    void cablesOfTheBag() {
        Patch patch = voice().make();
        patch.cables[3].lengthCm = 20;
        patch.cables[3].colour = "grey";
        const auto found = findingsIn(patch, "cable-too-short");
        QCOMPARE(found.size(), std::size_t{1});
        const auto cured = applyEdits(patch, found[0].fixes.front().edits);
        QVERIFY(findingsIn(*cured, "cable-too-short").empty());
        for (Cable& cable : patch.cables) {
            cable.lengthCm = 300;
            cable.colour = "gold";
        }
        QCOMPARE(findingsIn(patch, "cable-missing").size(), patch.cables.size());
    }

    void theCase() {
        Patch patch = voice().make();
        patch.posts[2].slot = "gone";
        const auto found = findingsIn(patch, "not-in-case");
        QCOMPARE(found.size(), std::size_t{1});
        QVERIFY(!found[0].fixes.empty());
        QVERIFY(findingsIn(*applyEdits(patch, found[0].fixes.front().edits), "not-in-case").empty());

        Case narrow = workspace().cases.at("tower-case");
        narrow.supply.plus12 = 100;
        narrow.hpPerRow = 60;
        const auto observed = observe(voice().make(), workspace().library, &narrow, 0.5);
        const auto all = everythingIn(*observed);
        QVERIFY(std::ranges::count(all, std::string("overload"), &Finding::rule) >= 2);
    }

    void dismissedOnesStayQuietWithTheirReason() {
        Patch patch = mistakes().at("closed VCA").make().make();
        const auto found = findingsIn(patch, "closed");
        QCOMPARE(found.size(), std::size_t{1});
        const auto kept = applyEdit(patch, DismissFinding{{"closed", found[0].cable, found[0].post, "opened by hand"}});
        QVERIFY(kept);
        QVERIFY(findingsIn(*kept, "closed").empty());
        const auto observed = observe(*kept, workspace().library, workspace().housing(*kept), 1.0);
        const auto dismissed = findEverything(*observed)->dismissed;
        QVERIFY(std::ranges::any_of(dismissed, [](const Dismissed& d) { return d.because == "opened by hand"; }));
        const auto again = readPatch(writePatch(*kept));
        QVERIFY(again);
        QCOMPARE(*again, *kept);
        const auto restored = applyEdit(*kept, RestoreFinding{"closed", found[0].cable, found[0].post});
        QCOMPARE(findingsIn(*restored, "closed").size(), std::size_t{1});
    }

    /// Nothing is found in the shipped patches but what they are there to show.
    void noFalseAlarm_data() {
        QTest::addColumn<QString>("file");
        for (const auto& entry : std::filesystem::directory_iterator(std::string(LARIAT_SOURCE) + "/data/demo"))
            QTest::newRow(entry.path().stem().c_str()) << QString::fromStdString(entry.path().string());
    }
    void noFalseAlarm() {
        QFETCH(QString, file);
        const auto patch = openPatch(file.toStdString(), workspace().library);
        QVERIFY(patch);
        auto found = findingsIn(*patch, kObservedSeconds);
        std::erase_if(found, [](const Finding& finding) { return finding.severity == Severity::Note; });
        if (file.endsWith(QLatin1String("/lamp.json"))) { // the demo that has mistakes in it
            QCOMPARE(found.size(), std::size_t{3});
            return;
        }
        QVERIFY2(found.empty(), text(found).c_str());
    }

    void sentencesCanBeSaidInAnotherOrder() {
        const Sentence sentence = say("{:.1f} V go in, {:.1f} V come out", 5.0, 0.25);
        QCOMPARE(sentence.str(), std::string("5.0 V go in, 0.2 V come out"));
        QCOMPARE(fillIn("{1} V heraus bei {0} V", sentence.parts), std::string("0.2 V heraus bei 5.0 V"));
        QCOMPARE(say("plain").str(), std::string("plain"));
    }
};

QTEST_APPLESS_MAIN(MistakesTest)
#include "mistakes_test.moc"
