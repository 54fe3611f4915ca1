// Sums and levels up to the way out; what is silent, and what does not stop: unlike mistakes, and their twins that are
// right.
#include "examples/tables.h"

namespace lariat::test {

std::vector<Example> mistakesOfLevels() {
    return {
        {"one-sided-sum", "a matrix",
         [] {
             return divided()
                 .post("net", "net", "matrix")
                 .knob("net", "amount-11", 50)
                 .knob("net", "amount-21", 50)
                 .tie("divider.out-1", "net.in-1")
                 .tie("divider.out-2", "net.in-2")
                 .tie("net.out-1", "out.right");
         }},
        {"one-sided-sum", "an adder",
         [] {
             return divided()
                 .post("sum", "ledger", "adder")
                 .post("level", "cargo-a", "1")
                 .knob("level", "amount", 40)
                 .post("other", "cargo-a", "2")
                 .knob("other", "amount", 40)
                 .tie("divider.out-1", "level.in")
                 .tie("divider.out-2", "other.in")
                 .tie("level.out", "sum.a")
                 .tie("other.out", "sum.b")
                 .tie("sum.sum", "out.right");
         }},
        {"one-sided-sum", "a stereo mixer",
         [] {
             return divided()
                 .post("desk", "bridge", "mixer")
                 .knob("desk", "level-1", 80)
                 .knob("desk", "level-2", 80)
                 .tie("divider.out-1", "desk.left-1")
                 .tie("divider.out-2", "desk.left-2")
                 .tie("desk.out-right", "out.right");
         }},

        {"hot-line", "on the right only",
         [] {
             return voice()
                 .untie("out.left")
                 .post("drive", "shoal", "drive")
                 .knob("drive", "gain", 11)
                 .knob("out", "level", 0)
                 .knob("filter", "cutoff", 9000)
                 .tie("vca.out", "drive.in")
                 .tie("drive.out", "out.right");
         }},
        {"hot-line", "a bank, both sides",
         [] {
             return banked()
                 .tie("amp.out-1", "out.right")
                 .knob("amp", "amount-1", 100)
                 .knob("filter", "cutoff", 9000)
                 .knob("filter", "drive", 12)
                 .knob("out", "level", 0);
         }},

        {"sudden-loudness", "on the right only",
         [] {
             return waved(voice().untie("out.left").tie("vca.out", "out.right").post("level", "cargo-a", "1"), 0.5,
                          "square", "level.in")
                 .knob("level", "amount", -100)
                 .untie("vca.lin-cv")
                 .tie("level.out", "vca.lin-cv")
                 .knob("lfo", "width", 50)
                 .knob("vca", "offset", 64)
                 .knob("vca", "lin-amount", 100);
         }},
        {"sudden-loudness", "a wave turned over, at a bank",
         [] {
             return waved(banked().post("level", "cargo-a", "1"), 0.5, "square", "level.in")
                 .knob("level", "amount", -100)
                 .untie("amp.cv-1")
                 .tie("level.out", "amp.cv-1")
                 .knob("lfo", "width", 50)
                 .knob("amp", "level-1", 64);
         }},

        {"cascade-loses", "into the scope, over a mult",
         [] {
             return banked()
                 .untie("out.left")
                 .post("scope", "porthole", "scope")
                 .post("mult", "splice-a", "mult")
                 .knob("amp", "level-2", 20)
                 .tie("amp.out-1", "mult.in")
                 .tie("mult.out-1", "scope.a")
                 .tie("osc.sine", "amp.in-2")
                 .tie("amp.out-4", "out.left");
         }},
        {"cascade-loses", "the second of three goes to the scope",
         [] {
             return banked()
                 .untie("out.left")
                 .post("scope", "porthole", "scope")
                 .tie("filter.band", "amp.in-2")
                 .tie("contour.out", "amp.cv-2")
                 .tie("filter.high", "amp.in-3")
                 .tie("contour.out", "amp.cv-3")
                 .tie("amp.out-2", "scope.b")
                 .tie("amp.out-3", "out.left");
         }},

        {"sum-clips", "a bank that falls through",
         [] {
             return summed("quay-a", "bank", {"in-1", "in-2", "in-3"}, "out-4")
                 .knob("sum", "level-1", 100)
                 .knob("sum", "level-2", 100)
                 .knob("sum", "level-3", 100);
         }},
        {"sum-clips", "a matrix",
         [] {
             return summed("net", "matrix", {"in-1", "in-2", "in-3"}, "out-1")
                 .knob("sum", "amount-11", 100)
                 .knob("sum", "amount-21", 100)
                 .knob("sum", "amount-31", 100);
         }},

        {"noise-raised", "by a compressor behind a drive",
         [] {
             return soundThrough("shoal", "drive", "in", "out")
                 .knob("way", "gain", 8)
                 .knob("filter", "level-1", 20)
                 .knob("out", "level", -20)
                 .untie("out.left")
                 .post("press", "bollard", "compressor")
                 .knob("press", "make-up", 9)
                 .tie("way.out", "press.left")
                 .tie("press.left-out", "out.left");
         }},
        {"noise-raised", "by an amplifier's boost behind a drive",
         [] {
             return soundThrough("shoal", "drive", "in", "out")
                 .knob("way", "gain", 8)
                 .knob("vca", "boost", 12)
                 .knob("filter", "level-1", 20)
                 .knob("out", "level", -20);
         }},

        {"dc-out", "an offset before a mixer",
         [] {
             return lifted(2)
                 .untie("out.left")
                 .post("mixer", "gangway-a", "mixer")
                 .knob("mixer", "level-1", 80)
                 .tie("way.out", "mixer.in-1")
                 .tie("mixer.mix", "out.left");
         }},
        {"dc-out", "on the right only", [] { return lifted(-1).untie("out.left").tie("way.out", "out.right"); }},
        {"dc-out", "an envelope is heard",
         [] { return voice().tie("contour.out", "out.right").knob("out", "level", -20); }},
        {"dc-out", "a slow wave is heard beside a pulse",
         [] {
             return waved(voice()
                              .untie("filter.in-1")
                              .untie("out.left")
                              .post("mixer", "gangway-a", "mixer")
                              .knob("mixer", "level-1", 60)
                              .knob("mixer", "level-2", 60)
                              .tie("osc.pulse", "filter.in-1")
                              .tie("vca.out", "mixer.in-1")
                              .tie("mixer.mix", "out.left"),
                          1.0, "sine", "mixer.in-2");
         }},

        {"loop-gain", "over a matrix and a mult",
         [] {
             return voice()
                 .post("net", "net", "matrix")
                 .post("mult", "splice-a", "mult")
                 .post("boost", "ballast-b", "1")
                 .knob("boost", "offset", 100)
                 .knob("boost", "boost", 12)
                 .knob("net", "amount-11", 5)
                 .knob("net", "amount-21", 100)
                 .tie("vca.out", "net.in-1")
                 .tie("net.out-1", "boost.in")
                 .tie("boost.out", "mult.in")
                 .tie("mult.out-1", "net.in-2")
                 .tie("mult.out-2", "out.right");
         }},
        {"loop-gain", "over a bank",
         [] {
             return voice()
                 .post("bank", "quay-a", "bank")
                 .post("boost", "ballast-b", "1")
                 .post("mixer", "gangway-a", "mixer")
                 .knob("boost", "offset", 100)
                 .knob("boost", "boost", 12)
                 .knob("bank", "level-1", 100)
                 .knob("mixer", "level-1", 5)
                 .knob("mixer", "level-2", 100)
                 .tie("vca.out", "mixer.in-1")
                 .tie("bank.out-1", "mixer.in-2")
                 .tie("mixer.mix", "boost.in")
                 .tie("boost.out", "bank.in-1")
                 .tie("mixer.inverted", "out.right");
         }},

        {"no-path", "a second voice ends in a filter",
         [] {
             return voice()
                 .post("other", "keel-a", "b")
                 .post("second", "skerry-b", "filter")
                 .tie("other.saw", "second.in-1");
         }},
        {"no-path", "the last cable is missing", [] { return banked().untie("out.left"); }},

        {"no-sound", "a bank whose envelope is not struck", [] { return banked().untie("contour.gate"); }},
        {"no-sound", "a low-pass gate whose gate comes from an empty track, over a mult",
         [] {
             return gated()

                 .overMult("tracks.gate-3", "contour.gate");
         }},
        {"no-sound", "a mixer's channel is mute", [] { return mixed().knob("amp", "mute-1", 1); }},

        {"drone", "a bank stands open", [] { return banked().knob("amp", "level-1", 60); }},
        {"drone", "a low-pass gate stands open", [] { return gated().knob("amp", "offset", 50); }},
        {"drone", "the mixer's level is up", [] { return mixed().knob("amp", "level-1", 70); }},

        {"closed", "a bank that nothing opens", [] { return banked().untie("amp.cv-1"); }},
        {"closed", "a low-pass gate that nothing opens", [] { return gated().untie("amp.cv"); }},
    };
}

std::vector<Example> twinsOfLevels() {
    return {
        {"one-sided-sum", "around zero",
         [] {
             return voice()
                 .post("other", "keel-a", "b")
                 .post("mixer", "gangway-a", "mixer")
                 .tie("osc.pulse", "mixer.in-1")
                 .tie("other.pulse", "mixer.in-2")
                 .tie("mixer.mix", "out.right")
                 .knob("mixer", "level-1", 40)
                 .knob("mixer", "level-2", 40);
         }},
        {"one-sided-sum", "the DC is taken out",
         [] {
             return divided()
                 .post("mixer", "gangway-a", "mixer")
                 .post("block", "sump", "blocker")
                 .tie("divider.out-1", "mixer.in-1")
                 .tie("divider.out-2", "mixer.in-2")
                 .tie("mixer.mix", "block.left")
                 .tie("block.left-out", "out.right")
                 .knob("mixer", "level-1", 40)
                 .knob("mixer", "level-2", 40);
         }},
        {"one-sided-sum", "one of them alone",
         [] {
             return divided()
                 .post("mixer", "gangway-a", "mixer")
                 .post("block", "sump", "blocker")
                 .tie("divider.out-1", "mixer.in-1")
                 .tie("mixer.mix", "block.left")
                 .tie("block.left-out", "out.right")
                 .knob("mixer", "level-1", 30);
         }},

        {"hot-line", "at the usual level", [] { return voice(); }},
        {"hot-line", "loud, and turned down at the way out",
         [] { return voice().knob("filter", "drive", 12).knob("filter", "cutoff", 8000).knob("out", "level", -14); }},
        {"hot-line", "one voice on both sides", [] { return voice().tie("vca.out", "out.right"); }},

        {"sudden-loudness", "a hit every other second",
         [] {
             return PatchMaker("tower-case")
                 .post("clock", "bosun", "clock")
                 .post("hit", "sextant-a", "contour")
                 .knob("hit", "type", 2)
                 .knob("hit", "attack", 0.001)
                 .knob("hit", "decay", 0.15)
                 .post("noise", "spray-a", "noise")
                 .post("vca", "ballast-a", "1")
                 .post("out", "harbour", "out")
                 .tie("clock.by-6", "hit.gate")
                 .tie("noise.white", "vca.in")
                 .tie("hit.out", "vca.lin-cv")
                 .tie("vca.out", "out.left");
         }},
        {"sudden-loudness", "a slow wave opens the filter",
         [] {
             return waved(voice().knob("filter", "cutoff", 300), 0.4, "triangle", "filter.cv-1")
                 .knob("filter", "amount-1", 35);
         }},
        {"sudden-loudness", "it begins with a rest",
         [] {
             return voice()
                 .untie("contour.gate")
                 .post("lag", "capstan", "divider")
                 .tie("tracks.gate-1", "lag.clock")
                 .tie("lag.out-3", "contour.gate");
         }},

        {"cascade-loses", "it is heard by another way",
         [] {
             return banked()
                 .untie("out.left")
                 .tie("filter.band", "amp.in-2")
                 .tie("contour.out", "amp.cv-2")
                 .tie("amp.out-1", "out.right")
                 .tie("amp.out-4", "out.left");
         }},
        {"cascade-loses", "nothing is in the channels it takes",
         [] {
             return voice()
                 .untie("out.left")
                 .post("bank", "quay-a", "bank")
                 .post("scope", "porthole", "scope")
                 .knob("bank", "level-3", 100)
                 .tie("vca.out", "bank.in-3")
                 .tie("bank.out-2", "scope.a")
                 .tie("bank.out-4", "out.left");
         }},
        {"cascade-loses", "only the last is taken",
         [] { return banked().untie("out.left").tie("amp.out-4", "out.left"); }},

        {"sum-clips", "quiet enough in a matrix",
         [] {
             return summed("net", "matrix", {"in-1", "in-2", "in-3"}, "out-1")
                 .knob("sum", "amount-11", 40)
                 .knob("sum", "amount-21", 40)
                 .knob("sum", "amount-31", 40);
         }},
        {"sum-clips", "quiet enough in a bank",
         [] {
             return summed("quay-a", "bank", {"in-1", "in-2", "in-3"}, "out-4")
                 .knob("sum", "level-1", 40)
                 .knob("sum", "level-2", 40)
                 .knob("sum", "level-3", 40);
         }},
        {"sum-clips", "one sound alone",
         [] { return soundThrough("gangway-a", "mixer", "in-1", "mix").knob("way", "level-1", 100); }},

        {"noise-raised", "one warm stage",
         [] {
             return soundThrough("shoal", "drive", "in", "out")
                 .knob("way", "gain", 9)
                 .knob("filter", "level-1", 30)
                 .knob("out", "level", -12);
         }},
        {"noise-raised", "as much less as more",
         [] {
             return soundThrough("shoal", "drive", "in", "out")
                 .knob("way", "gain", 12)
                 .knob("out", "level", -20)
                 .knob("filter", "level-1", 30);
         }},
        {"noise-raised", "nothing is driven",
         [] { return soundThrough("shoal", "drive", "in", "out").knob("way", "gain", 0); }},

        {"dc-out", "an offset that is taken out",
         [] {
             return lifted(2)
                 .untie("out.left")
                 .post("block", "sump", "blocker")
                 .tie("way.out", "block.left")
                 .tie("block.left-out", "out.left");
         }},
        {"dc-out", "a narrow pulse",
         [] {
             return voice()
                 .untie("filter.in-1")
                 .tie("osc.pulse", "filter.in-1")
                 .knob("osc", "width", 25)
                 .knob("filter", "level-1", 60);
         }},
        {"dc-out", "a low note", [] { return voice().knob("osc", "octave", 1); }},

        {"loop-gain", "an echo that dies away",
         [] {
             return soundThrough("foghorn", "echo", "left", "left-out")
                 .knob("way", "mix", 40)
                 .knob("way", "feedback", 50);
         }},
        {"loop-gain", "an echo over a mixer that takes less than it gives",
         [] {
             return voice()
                 .untie("out.left")
                 .post("mixer", "gangway-a", "mixer")
                 .post("echo", "foghorn", "echo")
                 .knob("echo", "mix", 100)
                 .knob("echo", "feedback", 0)
                 .knob("mixer", "level-1", 60)
                 .knob("mixer", "level-2", 40)
                 .tie("vca.out", "mixer.in-1")
                 .tie("mixer.mix", "echo.left")
                 .tie("echo.left-out", "mixer.in-2")
                 .tie("mixer.mix", "out.left");
         }},
        {"loop-gain", "an oscillator shakes itself a little",
         [] { return voice().tie("osc.sine", "osc.lin-fm").knob("osc", "lin-amount", 20); }},

        {"no-path", "a module just taken from the case", [] { return voice().post("other", "keel-a", "b"); }},
        {"no-path", "a modulator that moves what is heard",
         [] { return waved(voice(), 2.0, "sine", "filter.cv-1").knob("filter", "amount-1", 10); }},
        {"no-path", "a sound that is only measured",
         [] { return voice().post("scope", "porthole", "scope").tie("filter.band", "scope.a"); }},

        {"no-sound", "a bank plays", [] { return banked(); }},
        {"no-sound", "a low-pass gate plays", [] { return gated(); }},
        {"no-sound", "a mixer's channel plays", [] { return mixed(); }},

        {"drone", "a fixed drone beside nothing that opens",
         [] {
             return PatchMaker("tower-case")
                 .post("osc", "keel-a", "a")
                 .post("filter", "skerry-a", "filter")
                 .post("out", "harbour", "out")
                 .tie("osc.saw", "filter.in-1")
                 .tie("filter.low", "out.left");
         }},
        {"drone", "notes run into one another", [] { return voice().knob("contour", "release", 0.4); }},
        {"drone", "an echo that rings for long",
         [] {
             return soundThrough("foghorn", "echo", "left", "left-out")
                 .knob("way", "mix", 30)
                 .knob("way", "feedback", 70);
         }},

        {"closed", "a filter that an envelope opens",
         [] {
             return voice()
                 .knob("filter", "cutoff", 60)
                 .tie("contour.out", "filter.cv-1")
                 .knob("filter", "amount-1", 60);
         }},
        {"closed", "a bank by hand, beside an envelope", [] { return banked().knob("amp", "level-1", 1); }},
        {"closed", "a low note through a dark filter",
         [] { return voice().knob("filter", "cutoff", 120).knob("osc", "octave", 1); }},

        {"normal-broken", "a plug that brings something else on purpose",
         [] {
             return voice()
                 .post("level", "cargo-a", "2")
                 .knob("level", "amount", 60)
                 .tie("vca.out", "level.in")
                 .tie("level.out", "out.right");
         }},
    };
}

} // namespace lariat::test
