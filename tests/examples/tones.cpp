// Oscillators and filters, and what moves them: unlike mistakes, and their twins that are right.
#include "examples/tables.h"

namespace lariat::test {

std::vector<Example> mistakesOfTones() {
    return {
        {"wrong-polarity", "a bank", [] { return waved(banked(), 3.0, "sine", "amp.cv-1"); }},
        {"wrong-polarity", "a low-pass gate", [] { return waved(gated(), 0.7, "triangle", "amp.cv"); }},
        {"wrong-polarity", "a mixer's level", [] { return waved(mixed(), 3.0, "sine", "amp.cv-1"); }},
        {"wrong-polarity", "a pan, by a function generator",
         [] {
             return functions(0.1, 0.3)
                 .untie("out.left")
                 .post("pan", "rudder", "2")
                 .tie("vca.out", "pan.in")
                 .tie("hit.out", "pan.pan-cv")
                 .tie("pan.left", "out.left");
         }},

        {"width-silent", "by an envelope",
         [] {
             return voice()
                 .untie("filter.in-1")
                 .tie("osc.pulse", "filter.in-1")
                 .tie("contour.out", "osc.pwm")
                 .knob("contour", "sustain", 90)
                 .knob("osc", "pwm-amount", 60);
         }},
        {"width-silent", "by a function generator, through a mult",
         [] {
             return voice()
                 .untie("filter.in-1")
                 .tie("osc.pulse", "filter.in-1")
                 .post("cycle", "tidemark", "functions")
                 .knob("cycle", "cycle", 1)

                 .overMult("cycle.out", "osc.pwm")
                 .knob("osc", "pwm-amount", 50);
         }},
        {"width-silent", "stands too wide, and is moved a little",
         [] {
             return waved(voice().untie("filter.in-1").tie("osc.pulse", "filter.in-1"), 1.0, "sine", "osc.pwm")
                 .knob("osc", "width", 97)
                 .knob("osc", "pwm-amount", 8);
         }},

        {"pinned", "a ladder",
         [] {
             return waved(voice()
                              .untie("filter.in-1")
                              .untie("vca.in")
                              .post("ladder", "hawser-a", "ladder")
                              .tie("osc.saw", "ladder.in")
                              .tie("ladder.four", "vca.in"),
                          1.0, "square", "ladder.cv-1")
                 .knob("ladder", "amount-1", 100)
                 .knob("ladder", "cutoff", 6000);
         }},
        {"pinned", "downwards, through a level",
         [] {
             return waved(voice().post("level", "cargo-a", "1").tie("level.out", "filter.cv-1"), 1.0, "sine",
                          "level.in")
                 .knob("level", "amount", 90)
                 .knob("filter", "amount-1", 100)
                 .knob("filter", "cutoff", 60);
         }},
        {"pinned", "by an envelope that holds",
         [] {
             return voice()
                 .knob("contour", "sustain", 100)
                 .tie("contour.out", "filter.cv-2")
                 .knob("filter", "amount-2", 90)
                 .knob("filter", "cutoff", 3000);
         }},

        {"fm-pulls-pitch", "through a mult and a level",
         [] {
             return voice()
                 .post("other", "keel-a", "b")
                 .post("mult", "splice-a", "mult")
                 .post("level", "cargo-a", "1")
                 .knob("level", "amount", 60)
                 .tie("other.sine", "mult.in")
                 .tie("mult.out-3", "level.in")
                 .tie("level.out", "osc.fm")
                 .knob("osc", "fm-amount", 35);
         }},
        {"fm-pulls-pitch", "by a fast slow wave",
         [] { return waved(voice(), 90.0, "triangle", "osc.fm").knob("osc", "fm-amount", -25); }},
        {"fm-pulls-pitch", "by one of three",
         [] {
             return voice().post("trio", "three", "trio").tie("trio.inner-sine", "osc.fm").knob("osc", "fm-amount", 20);
         }},

        {"turned-to-noise", "over a level",
         [] {
             return shaken("fm", "fm-amount", 100)
                 .untie("osc.fm")
                 .post("level", "cargo-a", "1")
                 .knob("level", "amount", 90)
                 .tie("other.sine", "level.in")
                 .tie("level.out", "osc.fm");
         }},
        {"turned-to-noise", "over a mult",
         [] {
             return shaken("fm", "fm-amount", 90)

                 .overMult("other.sine", "osc.fm");
         }},

        {"pitch-on-follower", "tune and leader over mults",
         [] {
             return led()
                 .untie("osc.sync")
                 .untie("osc.voct")
                 .post("one", "splice-a", "mult")
                 .post("two", "splice-b", "mult")
                 .tie("leader.pulse", "one.in")
                 .tie("one.out-1", "osc.sync")
                 .tie("tracks.pitch-1", "two.in")
                 .tie("two.out-2", "osc.voct");
         }},
        {"pitch-on-follower", "led by one of three",
         [] { return voice().post("trio", "three", "trio").tie("trio.inner-saw", "osc.sync"); }},

        {"filter-not-tracking", "a ladder", [] { return singing("hawser-a", "ladder", "four"); }},
        {"filter-not-tracking", "its other output, in a bank",
         [] {
             return banked()
                 .untie("filter.in-1")
                 .knob("filter", "resonance", 100)
                 .untie("amp.in-1")
                 .tie("filter.band", "amp.in-1");
         }},

        {"modulation-unheard", "by an envelope",
         [] { return voice().tie("contour.out", "osc.pwm").knob("osc", "pwm-amount", 10); }},
        {"modulation-unheard", "over a mult, of another oscillator",
         [] {
             return waved(voice()
                              .post("other", "keel-a", "b")
                              .post("mult", "splice-a", "mult")
                              .tie("other.sine", "filter.in-2")
                              .knob("filter", "level-2", 20)
                              .tie("mult.out-2", "other.pwm")
                              .knob("other", "pwm-amount", 20),
                          1.0, "triangle", "mult.in");
         }},

        {"zero-attenuator", "a mult brings it",
         [] {
             return waved(voice().post("mult", "splice-a", "mult").tie("mult.out-1", "filter.cv-2"), 1.0, "sine",
                          "mult.in");
         }},
        {"zero-attenuator", "width",
         [] { return waved(voice().untie("filter.in-1").tie("osc.pulse", "filter.in-1"), 1.0, "sine", "osc.pwm"); }},
        {"zero-attenuator", "an envelope at an oscillator", [] { return voice().tie("contour.out", "osc.fm"); }},
    };
}

std::vector<Example> twinsOfTones() {
    return {
        {"wrong-polarity", "lifted, and half as deep",
         [] {
             return waved(voice()
                              .untie("out.left")
                              .post("bank", "quay-a", "bank")
                              .tie("vca.out", "bank.in-1")
                              .tie("bank.out-1", "out.left"),
                          3.0, "sine", "bank.cv-1")
                 .knob("bank", "level-1", 50)
                 .knob("bank", "amount-1", 75);
         }},
        {"wrong-polarity", "a ring modulator turns it over",
         [] {
             return waved(voice()
                              .untie("vca.in")
                              .post("ring", "crosswind", "1")
                              .tie("filter.low", "ring.x")
                              .tie("ring.product", "vca.in"),
                          3.0, "sine", "ring.y");
         }},
        {"wrong-polarity", "a pan around the middle",
         [] {
             return waved(voice()
                              .untie("out.left")
                              .post("pan", "rudder", "1")
                              .tie("vca.out", "pan.in")
                              .tie("pan.left", "out.left")
                              .tie("pan.right", "out.right"),
                          0.5, "sine", "pan.pan-cv");
         }},

        {"width-silent", "within its ends",
         [] {
             return waved(voice().untie("filter.in-1").tie("osc.pulse", "filter.in-1"), 1.0, "sine", "osc.pwm")
                 .knob("osc", "pwm-amount", 40);
         }},
        {"width-silent", "touched for a moment",
         [] {
             return waved(voice().untie("filter.in-1").tie("osc.saw-pulse", "filter.in-1"), 1.0, "sine", "osc.pwm")
                 .knob("osc", "pwm-amount", 60);
         }},
        {"width-silent", "another wave is heard", [] { return voice().knob("osc", "width", 0); }},

        {"pinned", "within its ends",
         [] { return waved(voice(), 1.0, "sine", "filter.cv-1").knob("filter", "amount-1", 40); }},
        {"pinned", "for a moment",
         [] {
             return voice()
                 .knob("contour", "sustain", 0)
                 .knob("contour", "decay", 0.04)
                 .tie("contour.out", "filter.cv-2")
                 .knob("filter", "amount-2", 60)
                 .knob("filter", "cutoff", 2000);
         }},
        {"pinned", "a fast wave around the middle",
         [] { return waved(voice(), 12.0, "triangle", "filter.cv-2").knob("filter", "amount-2", 60); }},

        {"fm-pulls-pitch", "linear",
         [] {
             return voice().post("other", "keel-a", "b").tie("other.sine", "osc.lin-fm").knob("osc", "lin-amount", 60);
         }},
        {"fm-pulls-pitch", "vibrato", [] { return waved(voice(), 5.0, "sine", "osc.fm").knob("osc", "fm-amount", 2); }},
        {"fm-pulls-pitch", "a filter",
         [] {
             return voice()
                 .post("other", "keel-a", "b")
                 .tie("other.sine", "filter.cv-1")
                 .knob("filter", "amount-1", 20);
         }},

        {"turned-to-noise", "one way only",
         [] {
             return voice().post("other", "keel-a", "b").tie("other.sine", "osc.lin-fm").knob("osc", "lin-amount", 100);
         }},
        {"turned-to-noise", "both, and hardly", [] { return shaken("fm", "fm-amount", 1); }},
        {"turned-to-noise", "a slow wave and an oscillator",
         [] { return waved(voice(), 0.8, "sine", "osc.fm").knob("osc", "fm-amount", 1); }},

        {"pitch-on-follower", "both play the tune", [] { return led().tie("tracks.pitch-1", "leader.voct"); }},
        {"pitch-on-follower", "the leader plays it",
         [] { return led().untie("osc.voct").tie("tracks.pitch-1", "leader.voct"); }},
        {"pitch-on-follower", "a drum lane resets it", [] { return voice().tie("tracks.drum-1", "osc.sync"); }},

        {"filter-not-tracking", "it is tuned, beside an oscillator",
         [] {
             return voice()
                 .post("song", "hawser-a", "ladder")
                 .knob("song", "resonance", 100)
                 .knob("song", "cutoff", 262)
                 .knob("filter", "level-2", 20)
                 .tie("tracks.pitch-1", "song.voct")
                 .tie("song.four", "filter.in-2");
         }},
        {"filter-not-tracking", "a sound goes through it",
         [] { return voice().knob("filter", "resonance", 60).knob("out", "level", -12); }},
        {"filter-not-tracking", "it is the only voice, and plays no tune",
         [] {
             return PatchMaker("tower-case")
                 .post("song", "skerry-a", "filter")
                 .post("out", "harbour", "out")
                 .knob("song", "resonance", 100)
                 .knob("out", "level", -12)
                 .tie("song.low", "out.left");
         }},

        {"modulation-unheard", "its wave is heard",
         [] {
             return waved(voice().untie("filter.in-1").tie("osc.saw-pulse", "filter.in-1"), 1.0, "sine", "osc.pwm")
                 .knob("osc", "pwm-amount", 20);
         }},
        {"modulation-unheard", "it moves every wave",
         [] { return waved(voice(), 5.0, "sine", "osc.fm").knob("osc", "fm-amount", 1); }},
        {"modulation-unheard", "two waves, and the pulse is one of them",
         [] {
             return waved(voice().tie("osc.pulse", "filter.in-2").knob("filter", "level-2", 30), 1.0, "sine", "osc.pwm")
                 .knob("osc", "pwm-amount", 20);
         }},

        {"zero-attenuator", "a little is enough",
         [] { return waved(voice(), 1.0, "sine", "filter.cv-2").knob("filter", "amount-2", 5); }},
        {"zero-attenuator", "it is turned over",
         [] { return waved(voice(), 1.0, "sine", "filter.cv-2").knob("filter", "amount-2", -20); }},
        {"zero-attenuator", "nothing is plugged in", [] { return voice().knob("filter", "amount-1", 0); }},
    };
}

} // namespace lariat::test
