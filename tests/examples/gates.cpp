// Gates, envelopes, drums and what leads them on: unlike mistakes, and their twins that are right.
#include "examples/tables.h"

namespace lariat::test {

std::vector<Example> mistakesOfGates() {
    return {
        {"gate-clicks", "a bank", [] { return banked().untie("amp.cv-1").tie("tracks.gate-1", "amp.cv-1"); }},
        {"gate-clicks", "a mixer's level", [] { return mixed().untie("amp.cv-1").tie("tracks.gate-1", "amp.cv-1"); }},
        {"gate-clicks", "through a mult and a level",
         [] {
             return voice()
                 .untie("vca.lin-cv")
                 .post("mult", "splice-a", "mult")
                 .post("level", "cargo-a", "1")
                 .knob("level", "amount", 90)
                 .tie("tracks.gate-1", "mult.in")
                 .tie("mult.out-2", "level.in")
                 .tie("level.out", "vca.lin-cv");
         }},

        {"trigger-as-gate", "rise and fall with the gate", [] { return contour(1, 0.05, 0.1); }},
        {"trigger-as-gate", "attack, hold, release", [] { return contour(3, 0.05, 0.1); }},
        {"trigger-as-gate", "a sustain, through a mult",
         [] {
             return contour(0, 0.03, 0.1)

                 .overMult("tracks.drum-1", "hit.gate");
         }},

        {"struck-twice", "through a mult",
         [] {
             return voice()
                 .post("bank", "buoy", "bank")

                 .overMult("tracks.gate-1", "bank.in")
                 .tie("bank.mix", "out.right");
         }},
        {"struck-twice", "a slow square",
         [] {
             return waved(voice().post("bank", "buoy", "bank").tie("bank.odd", "out.right"), 2.0, "square", "bank.in");
         }},
        {"struck-twice", "a turned over beat",
         [] {
             return voice()
                 .post("bank", "buoy", "bank")
                 .post("level", "cargo-a", "1")
                 .knob("level", "amount", -100)
                 .tie("clock.beat", "level.in")
                 .tie("level.out", "bank.in")
                 .tie("bank.even", "out.right");
         }},

        {"pulse-missed", "a clock too low",
         [] {
             return voice()
                 .untie("tracks.clock")
                 .post("level", "cargo-a", "1")
                 .knob("level", "amount", 20)
                 .tie("clock.sixteenths", "level.in")
                 .tie("level.out", "tracks.clock");
         }},
        {"pulse-missed", "an envelope's end too low",
         [] {
             return functions(0.01, 0.05)
                 .untie("hit.trigger")
                 .knob("contour", "level", 20)
                 .tie("contour.out", "hit.trigger");
         }},

        {"sustain-not-reached", "rises too slowly, through a mult",
         [] {
             return voice()

                 .overMult("tracks.gate-1", "contour.gate")
                 .knob("contour", "type", 1)
                 .knob("contour", "attack", 0.4);
         }},
        {"sustain-not-reached", "opened by the beat of the clock",
         [] { return contour(0, 0.05, 0.6).untie("hit.gate").tie("clock.beat", "hit.gate"); }},
        {"sustain-not-reached", "opened by a slow square",
         [] { return waved(contour(0, 0.05, 0.6), 2.0, "square", "hit.gate"); }},

        {"tail-runs-on", "a function generator", [] { return functions(0.003, 3.0); }},
        {"tail-runs-on", "a function generator that hardly comes up", [] { return functions(0.6, 0.8); }},
        {"tail-runs-on", "struck by the clock, at a bank",
         [] {
             return banked()
                 .post("hit", "sextant-a", "contour")
                 .knob("hit", "type", 2)
                 .knob("hit", "decay", 4)
                 .post("noise", "spray-a", "noise")
                 .tie("clock.beat", "hit.gate")
                 .tie("noise.white", "amp.in-2")
                 .tie("hit.out", "amp.cv-2")
                 .tie("amp.out-2", "out.right");
         }},
        {"tail-runs-on", "from its inverted output, turned over again",
         [] {
             return functions(0.003, 3.0)
                 .untie("hit-vca.lin-cv")
                 .post("level", "cargo-a", "1")
                 .knob("level", "amount", -100)
                 .tie("hit.inverted", "level.in")
                 .tie("level.out", "hit-vca.lin-cv");
         }},

        {"missing-reset", "a trigger pattern beside the tracks",
         [] {
             return contour(2, 0.001, 0.05)
                 .untie("hit.gate")
                 .post("rain", "rain", "pattern")
                 .tie("clock.sixteenths", "rain.clock")
                 .tie("rain.hits", "hit.gate");
         }},
        {"missing-reset", "steps, over a mult and a divider",
         [] {
             return contour(2, 0.001, 0.05)
                 .untie("hit.gate")
                 .post("mult", "splice-a", "mult")
                 .post("divider", "capstan", "divider")
                 .post("steps", "ratline", "steps")
                 .tie("clock.sixteenths", "mult.in")
                 .tie("mult.out-1", "divider.clock")
                 .tie("clock.reset-out", "divider.reset")
                 .tie("mult.out-2", "steps.clock")
                 .tie("steps.gate", "hit.gate");
         }},
        {"missing-reset", "the tracks beside a trigger pattern",
         [] {
             return contour(2, 0.001, 0.05)
                 .untie("hit.gate")
                 .untie("tracks.reset")
                 .post("rain", "rain", "pattern")
                 .tie("clock.sixteenths", "rain.clock")
                 .tie("clock.reset-out", "rain.reset")
                 .tie("rain.hits", "hit.gate");
         }},

        {"drum-not-reset", "through a drive",
         [] { return drum("shape.out").post("shape", "shoal", "drive").tie("body.sine", "shape.in"); }},
        {"drum-not-reset", "in a bank",
         [] {
             return drum("body.triangle")
                 .untie("hit-vca.in")
                 .untie("hit-vca.lin-cv")
                 .untie("out.right")
                 .post("bank", "quay-a", "bank")
                 .tie("body.triangle", "bank.in-2")
                 .tie("hit.out", "bank.cv-2")
                 .tie("bank.out-2", "out.right");
         }},
        {"drum-not-reset", "by a function generator and a mult",
         [] {
             return functions(0.001, 0.06, false)

                 .overMult("tracks.drum-1", "hit.trigger")
                 .tie("body.sine", "hit-vca.in");
         }},

        {"free-running", "a function generator that cycles",
         [] {
             return voice()
                 .untie("vca.lin-cv")
                 .untie("contour.gate")
                 .post("cycle", "tidemark", "functions")
                 .knob("cycle", "cycle", 1)
                 .tie("cycle.out", "vca.lin-cv")
                 .tie("tracks.gate-1", "filter.cv-1")
                 .knob("filter", "amount-1", 5);
         }},
        {"free-running", "through a mult, at a bank",
         [] {
             return banked()
                 .untie("contour.gate")
                 .knob("contour", "loop", 1)
                 .knob("contour", "decay", 0.05)

                 .overMult("contour.out", "amp.cv-1")
                 .tie("tracks.gate-1", "filter.cv-1")
                 .knob("filter", "amount-1", 5);
         }},
        {"free-running", "at a mixer's level",
         [] {
             return mixed()
                 .untie("contour.gate")
                 .knob("contour", "loop", 2)
                 .knob("contour", "decay", 0.1)
                 .tie("tracks.gate-1", "filter.cv-1")
                 .knob("filter", "amount-1", 5);
         }},

        {"clocks-drift", "a function generator's end",
         [] {
             return contour(2, 0.001, 0.05)
                 .untie("hit.gate")
                 .post("cycle", "tidemark", "functions")
                 .knob("cycle", "cycle", 1)
                 .knob("cycle", "rise", 0.06)
                 .knob("cycle", "fall", 0.0655)
                 .tie("cycle.end-of-fall", "hit.gate");
         }},
        {"clocks-drift", "a slow wave through a comparator",
         [] {
             return waved(contour(2, 0.001, 0.05)
                              .untie("hit.gate")
                              .post("compare", "lookout-a", "detector")
                              .tie("compare.above", "hit.gate"),
                          2.02, "sine", "compare.a");
         }},
        {"clocks-drift", "one of eight waves",
         [] {
             return contour(2, 0.001, 0.05)
                 .untie("hit.gate")
                 .post("winds", "eight", "winds")
                 .knob("winds", "rate", 8.04)
                 .knob("winds", "shape", 3)
                 .tie("winds.phase-45", "hit.gate");
         }},

        {"reset-always", "over a mult",
         [] {
             return voice()

                 .overMult("clock.sixteenths", "tracks.reset");
         }},
        {"reset-always", "a trigger pattern",
         [] {
             return voice()
                 .post("rain", "rain", "pattern")
                 .post("hit", "sextant-a", "contour")
                 .knob("hit", "type", 2)
                 .tie("clock.eighths", "rain.clock")
                 .tie("clock.eighths", "rain.reset")
                 .tie("rain.hits", "hit.gate")
                 .tie("hit.out", "filter.cv-1")
                 .knob("filter", "amount-1", 10);
         }},
    };
}

std::vector<Example> twinsOfGates() {
    return {
        {"gate-clicks", "a low-pass gate falls by itself",
         [] { return gated().untie("amp.cv").tie("tracks.gate-1", "amp.cv"); }},
        {"gate-clicks", "a slew rounds it",
         [] {
             return voice()
                 .untie("vca.lin-cv")
                 .post("lag", "drag-a", "1")
                 .knob("lag", "rise", 0.004)
                 .knob("lag", "fall", 0.03)
                 .tie("tracks.gate-1", "lag.in")
                 .tie("lag.out", "vca.lin-cv");
         }},
        {"gate-clicks", "it moves a filter",
         [] { return voice().tie("tracks.gate-1", "filter.cv-1").knob("filter", "amount-1", 20); }},

        {"trigger-as-gate", "attack and decay", [] { return contour(2, 0.001, 0.1); }},
        {"trigger-as-gate", "a function generator", [] { return functions(0.002, 0.1); }},
        {"trigger-as-gate", "up before the trigger ends",
         [] { return contour(1, 0.0005, 0.1).knob("hit", "release", 0.1); }},

        {"struck-twice", "a soft fall",
         [] {
             return voice()
                 .post("bank", "buoy", "bank")
                 .knob("bank", "gain", -20)
                 .post("lag", "drag-a", "1")
                 .knob("lag", "rise", 0)
                 .knob("lag", "fall", 0.4)
                 .knob("lag", "law", 1)
                 .tie("tracks.drum-1", "lag.in")
                 .tie("lag.out", "bank.in")
                 .tie("bank.mix", "out.right");
         }},
        {"struck-twice", "a decay",
         [] {
             return voice()
                 .post("hit", "sextant-a", "contour")
                 .knob("hit", "type", 2)
                 .knob("hit", "attack", 0.0005)
                 .post("bank", "buoy", "bank")
                 .knob("bank", "gain", -20)
                 .tie("tracks.drum-1", "hit.gate")
                 .tie("hit.out", "bank.in")
                 .tie("bank.mix", "out.right");
         }},
        {"struck-twice", "a sound goes through it",
         [] {
             return voice()
                 .post("bank", "buoy", "bank")
                 .knob("bank", "gain", -30)
                 .tie("vca.out", "bank.in")
                 .tie("bank.mix", "out.right");
         }},

        {"pulse-missed", "half of it is enough",
         [] {
             return voice()
                 .untie("contour.gate")
                 .post("level", "cargo-a", "1")
                 .knob("level", "amount", 50)
                 .tie("tracks.gate-1", "level.in")
                 .tie("level.out", "contour.gate");
         }},
        {"pulse-missed", "a soft wave that is high enough",
         [] { return waved(contour(2, 0.001, 0.05), 5.3, "triangle", "hit.gate"); }},
        {"pulse-missed", "an envelope strikes another",
         [] { return functions(0.01, 0.05).untie("hit.trigger").tie("contour.out", "hit.trigger"); }},

        {"sustain-not-reached", "it finishes its stages",
         [] { return voice().knob("contour", "attack", 0.005).knob("contour", "decay", 0.09); }},
        {"sustain-not-reached", "attack and decay alone", [] { return contour(2, 0.01, 0.3); }},
        {"sustain-not-reached", "the gate is long enough, over a mult",
         [] {
             return contour(0, 0.01, 0.1)

                 .overMult("clock.beat", "hit.gate");
         }},

        {"tail-runs-on", "a function generator that is over", [] { return functions(0.003, 0.2); }},
        {"tail-runs-on", "one that goes round by itself",
         [] {
             return voice()
                 .post("cycle", "tidemark", "functions")
                 .knob("cycle", "cycle", 1)
                 .knob("cycle", "rise", 2)
                 .knob("cycle", "fall", 3)
                 .tie("cycle.out", "filter.cv-1")
                 .knob("filter", "amount-1", 10);
         }},
        {"tail-runs-on", "a slur", [] { return voice().knob("contour", "release", 1.0); }},

        {"missing-reset", "both are reset",
         [] {
             return contour(2, 0.001, 0.05)
                 .untie("hit.gate")
                 .post("rain", "rain", "pattern")
                 .tie("clock.sixteenths", "rain.clock")
                 .tie("clock.reset-out", "rain.reset")
                 .tie("rain.hits", "hit.gate");
         }},
        {"missing-reset", "a slow wave that the clock keeps in step",
         [] {
             return voice()
                 .post("winds", "eight", "winds")
                 .tie("clock.beat", "winds.sync")
                 .tie("winds.phase-90", "filter.cv-1")
                 .knob("filter", "amount-1", 10);
         }},
        {"missing-reset", "none is reset",
         [] {
             return contour(2, 0.001, 0.05)
                 .untie("hit.gate")
                 .untie("tracks.reset")
                 .post("rain", "rain", "pattern")
                 .tie("clock.sixteenths", "rain.clock")
                 .tie("rain.hits", "hit.gate");
         }},
        {"missing-reset", "it has a clock of its own",
         [] {
             return waved(
                 contour(2, 0.001, 0.05).untie("hit.gate").post("rain", "rain", "pattern").tie("rain.hits", "hit.gate"),
                 5.3, "square", "rain.clock");
         }},

        {"drum-not-reset", "it is reset, over a mult",
         [] {
             return drum("body.sine")
                 .untie("hit.gate")
                 .post("mult", "splice-a", "mult")
                 .tie("tracks.drum-1", "mult.in")
                 .tie("mult.out-1", "hit.gate")
                 .tie("mult.out-2", "body.sync");
         }},
        {"drum-not-reset", "noise", [] { return contour(2, 0.001, 0.05); }},
        {"drum-not-reset", "it plays a tune", [] { return drum("body.sine").tie("tracks.pitch-1", "body.voct"); }},

        {"free-running", "it is struck", [] { return voice().knob("contour", "loop", 0); }},
        {"free-running", "a slow wave at the filter",
         [] {
             return voice()
                 .post("cycle", "tidemark", "functions")
                 .knob("cycle", "cycle", 1)
                 .tie("cycle.out", "filter.cv-2")
                 .knob("filter", "amount-2", 10);
         }},
        {"free-running", "it moves a pan",
         [] {
             return voice()
                 .untie("out.left")
                 .post("pan", "rudder", "1")
                 .post("cycle", "tidemark", "functions")
                 .knob("cycle", "cycle", 1)
                 .knob("pan", "pan", -60)
                 .tie("cycle.out", "pan.pan-cv")
                 .tie("vca.out", "pan.in")
                 .tie("pan.left", "out.left")
                 .tie("pan.right", "out.right");
         }},

        {"clocks-drift", "reset by the clock",
         [] { return waved(contour(2, 0.001, 0.05), 2.02, "square", "hit.gate").tie("clock.beat", "lfo.reset"); }},
        {"clocks-drift", "far from the beat", [] { return waved(contour(2, 0.001, 0.05), 2.7, "square", "hit.gate"); }},
        {"clocks-drift", "a divided clock",
         [] {
             return contour(2, 0.001, 0.05)
                 .untie("hit.gate")
                 .post("divider", "capstan", "divider")
                 .tie("clock.sixteenths", "divider.clock")
                 .tie("clock.reset-out", "divider.reset")
                 .tie("divider.out-2", "hit.gate");
         }},

        {"reset-always", "every bar", [] { return voice().untie("tracks.reset").tie("clock.by-16", "tracks.reset"); }},
        {"reset-always", "by the first step",
         [] { return voice().untie("tracks.reset").tie("clock.bar", "tracks.reset"); }},
        {"reset-always", "an oscillator by its gate", [] { return voice().tie("tracks.gate-1", "osc.sync"); }},
    };
}

} // namespace lariat::test
