// Pitch on its way, and plugs in the wrong place: unlike mistakes, and their twins that are right.
#include "examples/tables.h"

namespace lariat::test {

std::vector<Example> mistakesOfTunes() {
    return {
        {"split-sags", "three oscillators at steps",
         [] {
             return voice()
                 .untie("osc.voct")
                 .post("steps", "ratline", "steps")
                 .post("b", "keel-a", "b")
                 .post("c", "keel-b", "a")
                 .knob("steps", "fader-1", 80)
                 .tie("clock.beat", "steps.clock")
                 .tie("clock.reset-out", "steps.reset")
                 .tie("steps.cv", "osc.voct")
                 .tie("steps.cv", "b.voct")
                 .tie("steps.cv", "c.voct")
                 .tie("b.sine", "filter.in-2")
                 .knob("filter", "level-2", 20)
                 .tie("c.sine", "osc.lin-fm")
                 .knob("osc", "lin-amount", 20);
         }},
        {"split-sags", "a function at two oscillators",
         [] {
             return voice()
                 .untie("osc.voct")
                 .post("level", "cargo-a", "1")
                 .post("b", "keel-a", "b")
                 .knob("level", "amount", 100)
                 .tie("tracks.pitch-1", "level.in")
                 .tie("level.out", "osc.voct")
                 .tie("level.out", "b.voct")
                 .tie("b.sine", "filter.in-2")
                 .knob("filter", "level-2", 20)
                 .knob("level", "offset", 2);
         }},
        {"split-sags", "by a passive mult",
         [] {
             return voice()
                 .untie("osc.voct")
                 .post("split", "pebble", "mult")
                 .post("b", "keel-a", "b")
                 .post("steps", "ratline", "steps")
                 .knob("steps", "fader-1", 80)
                 .tie("clock.beat", "steps.clock")
                 .tie("clock.reset-out", "steps.reset")
                 .tie("steps.cv", "split.in")
                 .tie("split.out-1", "osc.voct")
                 .tie("split.out-2", "b.voct")
                 .tie("b.sine", "filter.in-2")
                 .knob("filter", "level-2", 20);
         }},

        {"pitch-attenuated", "through a mult and a level",
         [] {
             return tuneThrough("cargo-a", "1")
                 .knob("way", "amount", 92)

                 .overMult("tracks.pitch-1", "way.in");
         }},
        {"pitch-attenuated", "in a matrix",
         [] {
             return voice()
                 .untie("osc.voct")
                 .post("net", "net", "matrix")
                 .knob("net", "amount-12", 80)
                 .tie("tracks.pitch-1", "net.in-1")
                 .tie("net.out-2", "osc.voct");
         }},

        {"pitch-shifted", "by a level behind a mult",
         [] {
             return tuneThrough("cargo-a", "1")
                 .knob("way", "amount", 100)
                 .knob("way", "offset", 0.21)

                 .overMult("way.out", "osc.voct");
         }},
        {"pitch-shifted", "in a sum",
         [] {
             return voice()
                 .untie("osc.voct")
                 .post("sum", "ledger", "adder")
                 .post("level", "cargo-a", "1")
                 .post("steps", "ratline", "steps")
                 .knob("steps", "length", 0)
                 .knob("steps", "fader-1", 9)
                 .tie("clock.beat", "steps.clock")
                 .tie("clock.reset-out", "steps.reset")
                 .tie("tracks.pitch-1", "sum.a")
                 .tie("steps.cv", "sum.b")
                 .tie("sum.sum", "osc.voct");
         }},

        {"glide-too-slow", "through two slews, the second of which is slow",
         [] {
             return voice()
                 .untie("osc.voct")
                 .post("one", "drag-a", "1")
                 .post("two", "drag-b", "1")
                 .knob("one", "rise", 0.01)
                 .knob("one", "fall", 0.01)
                 .knob("two", "rise", 8)
                 .knob("two", "fall", 8)
                 .tie("tracks.pitch-1", "one.in")
                 .tie("one.out", "two.in")
                 .tie("two.out", "osc.voct");
         }},
        {"glide-too-slow", "a slew behind an adder",
         [] {
             return tuneThrough("drag-a", "1")
                 .knob("way", "rise", 8)
                 .knob("way", "fall", 8)
                 .untie("way.in")
                 .post("sum", "ledger", "adder")
                 .tie("tracks.pitch-1", "sum.a")
                 .tie("sum.sum", "way.in");
         }},

        {"no-tune", "of a bank, tied to nothing", [] { return banked().untie("osc.voct"); }},

        {"tuning-unheard", "one quantizer of two",
         [] {
             return voice()
                 .untie("osc.voct")
                 .post("quantizer", "compass", "quantizer")
                 .knob("quantizer", "scale", 1)
                 .tuning("quantizer", "just-minor")
                 .tie("tracks.pitch-1", "quantizer.in-1")
                 .tie("quantizer.out-1", "osc.voct");
         }},
        {"tuning-unheard", "another scale, at a mult",
         [] {
             return voice()
                 .untie("osc.voct")
                 .post("quantizer", "compass", "quantizer")
                 .post("mult", "splice-a", "mult")
                 .knob("quantizer", "scale", 3)
                 .tuning("quantizer", "just-minor")
                 .tie("tracks.pitch-1", "mult.in")
                 .tie("mult.out-1", "quantizer.in-1")
                 .tie("quantizer.out-1", "osc.voct");
         }},

        {"wrong-jack", "the gate at a filter's pitch", [] { return voice().tie("tracks.gate-1", "filter.voct"); }},
        {"wrong-jack", "the pitch strikes a function generator",
         [] {
             return voice()
                 .post("hit", "tidemark", "functions")
                 .tie("tracks.pitch-1", "hit.trigger")
                 .tie("hit.out", "filter.cv-1")
                 .knob("filter", "amount-1", 10);
         }},
        {"wrong-jack", "pitch and gate have changed places, over a mult",
         [] {
             return voice()
                 .untie("contour.gate")

                 .overMult("tracks.gate-1", "osc.voct")
                 .tie("tracks.pitch-1", "contour.gate");
         }},
    };
}

std::vector<Example> twinsOfTunes() {
    return {
        {"split-sags", "over a buffered mult",
         [] {
             return voice()
                 .untie("osc.voct")
                 .post("mult", "splice-a", "mult")
                 .post("b", "keel-a", "b")
                 .tie("tracks.pitch-1", "mult.in")
                 .tie("mult.out-1", "osc.voct")
                 .tie("mult.out-2", "b.voct")
                 .tie("b.sine", "filter.in-2")
                 .knob("filter", "level-2", 20);
         }},
        {"split-sags", "one listener", [] { return voice(); }},
        {"split-sags", "gates share an output",
         [] {
             return voice()
                 .post("second", "lantern-b", "1")
                 .knob("second", "decay", 0.05)
                 .knob("second", "attack", 0.003)
                 .tie("tracks.gate-1", "second.gate")
                 .tie("second.out", "filter.cv-1")
                 .knob("filter", "amount-1", 10);
         }},

        {"pitch-attenuated", "all of it passes", [] { return tuneThrough("cargo-a", "1").knob("way", "amount", 100); }},
        {"pitch-attenuated", "a cutoff follows by half",
         [] { return voice().tie("tracks.pitch-1", "filter.cv-1").knob("filter", "amount-1", 50); }},
        {"pitch-attenuated", "a voltage that is no tune",
         [] { return waved(voice(), 0.3, "sine", "osc.fm").knob("osc", "fm-amount", 3); }},

        {"pitch-shifted", "by an octave",
         [] { return tuneThrough("cargo-a", "1").knob("way", "amount", 100).knob("way", "offset", 1); }},
        {"pitch-shifted", "over a mult alone",
         [] {
             return voice()

                 .overMult("tracks.pitch-1", "osc.voct");
         }},
        {"pitch-shifted", "the oscillator is tuned beside it", [] { return voice().knob("osc", "fine", 0.3); }},

        {"glide-too-slow", "vibrato and a whole octave are added",
         [] {
             return waved(voice()
                              .untie("osc.voct")
                              .post("sum", "ledger", "adder")
                              .post("depth", "cargo-a", "1")
                              .knob("depth", "amount", 0.2)
                              .knob("depth", "offset", -1)
                              .tie("tracks.pitch-1", "sum.a")
                              .tie("depth.out", "sum.b")
                              .tie("sum.sum", "osc.voct"),
                          4.5, "sine", "depth.in");
         }},
        {"glide-too-slow", "a short glide",
         [] { return tuneThrough("drag-a", "1").knob("way", "rise", 0.02).knob("way", "fall", 0.02); }},
        {"glide-too-slow", "the cutoff glides",
         [] {
             return voice()
                 .post("lag", "drag-a", "1")
                 .knob("lag", "rise", 8)
                 .knob("lag", "fall", 8)
                 .tie("tracks.pitch-1", "lag.in")
                 .tie("lag.out", "filter.cv-1")
                 .knob("filter", "amount-1", 20);
         }},

        {"no-tune", "a drum without a tune",
         [] {
             return voice()
                 .post("hit", "sextant-a", "contour")
                 .post("noise", "spray-a", "noise")
                 .post("hit-vca", "ballast-b", "1")
                 .knob("hit", "type", 2)
                 .knob("hit", "decay", 0.05)
                 .tie("tracks.drum-1", "hit.gate")
                 .tie("noise.white", "hit-vca.in")
                 .tie("hit.out", "hit-vca.lin-cv")
                 .tie("hit-vca.out", "out.right");
         }},
        {"no-tune", "over a quantizer",
         [] {
             return voice()
                 .untie("osc.voct")
                 .post("quantizer", "compass", "quantizer")
                 .tie("tracks.pitch-1", "quantizer.in-1")
                 .tie("quantizer.out-1", "osc.voct");
         }},
        {"no-tune", "over a mult and an adder",
         [] {
             return voice()
                 .untie("osc.voct")
                 .post("mult", "splice-a", "mult")
                 .post("sum", "ledger", "adder")
                 .tie("tracks.pitch-1", "mult.in")
                 .tie("mult.out-1", "sum.a")
                 .tie("sum.sum", "osc.voct");
         }},

        {"tuning-unheard", "the switch stands at the tuning",
         [] {
             return voice()
                 .untie("osc.voct")
                 .post("quantizer", "compass", "quantizer")
                 .knob("quantizer", "scale", 0)
                 .tuning("quantizer", "just-minor")
                 .tie("tracks.pitch-1", "quantizer.in-1")
                 .tie("quantizer.out-1", "osc.voct");
         }},
        {"tuning-unheard", "no tuning is chosen",
         [] {
             return voice()
                 .untie("osc.voct")
                 .post("quantizer", "compass", "quantizer")
                 .knob("quantizer", "scale", 1)
                 .tie("tracks.pitch-1", "quantizer.in-1")
                 .tie("quantizer.out-1", "osc.voct");
         }},

        {"wrong-jack", "the gate moves a cutoff",
         [] { return voice().tie("tracks.gate-1", "filter.cv-1").knob("filter", "amount-1", 15); }},
        {"wrong-jack", "velocity moves a cutoff",
         [] { return voice().tie("tracks.velocity-1", "filter.cv-1").knob("filter", "amount-1", 15); }},
        {"wrong-jack", "a clock strikes",
         [] { return voice().untie("contour.gate").tie("clock.sixteenths", "contour.gate"); }},
    };
}

} // namespace lariat::test
