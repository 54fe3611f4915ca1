// What lies between jacks and blocks: sag, noise, thresholds, the second pitch school, scalings, stereo plugs, normals,
// and meanings that move.
#include "engine/electrics.h"
#include "engine/engine.h"
#include "engine/render.h"
#include "library/check.h"
#include "library/meaning.h"
#include "measure/measure.h"
#include "model/edit.h"
#include "support/analysis.h"
#include "support/patches.h"
#include "units/pitch.h"

#include <QtTest>

#include <cmath>

using namespace lariat;
using namespace lariat::test;

namespace {

/// Posts as "id = module/part", each in a slot of its own, so that any module can be tried.
class Loose {
  public:
    Loose& post(const std::string& id, const std::string& module, const std::string& part,
                const std::string& slot = {}) {
        patch.posts.push_back({id, id, slot.empty() ? id : slot, module, part, {}, {}, {}});
        return *this;
    }
    Loose& tie(const std::string& from, const std::string& to) {
        patch.cables.push_back({patch.freshCableId(), jackRef(from), jackRef(to), {}, {}, {}, 0, {}, {}});
        return *this;
    }
    Loose& knob(const std::string& post, const std::string& knob, double value) {
        patch = *applyEdit(patch, SetKnob{post, knob, value});
        return *this;
    }
    [[nodiscard]] Patch make() const {
        auto checked = checkPatch(patch, workspace().library);
        if (!checked) throw std::runtime_error(checked.error().text());
        return *checked;
    }
    [[nodiscard]] std::vector<float> hear(const std::string& jack, bool real = false, double seconds = 1.0) const {
        RenderOptions options;
        options.seconds = seconds;
        options.fileRate = 0.0;
        options.realCase = real;
        options.probes = {jackRef(jack)};
        return render(make(), workspace().library, options)->probes.at(jackRef(jack));
    }
    Patch patch;
};

double meanAtEnd(const std::vector<float>& volts) {
    return meanOf(std::span(volts).last(volts.size() / 2));
}

} // namespace

class ElectricsTest : public QObject {
    Q_OBJECT

  private Q_SLOTS:
    /// 1 V over a split into n inputs of 100 kΩ from 1 kΩ: about 1 %, 12 cents, for each input beyond the first.
    void aPassiveSplitSags() {
        for (int inputs = 1; inputs <= 3; ++inputs) {
            Loose loose;
            loose.post("source", "tern-level", "level")
                .post("mult", "pebble-mult", "mult")
                .knob("source", "offset", 1.0);
            loose.tie("source.out", "mult.in");
            for (int n = 1; n <= inputs; ++n) {
                const std::string id = "osc-" + std::to_string(n);
                loose.post(id, "anchor-vco", "osc").tie("mult.out-" + std::to_string(n), id + ".voct");
            }
            const Electrics electrics(loose.make(), workspace().library);
            const double predicted = 1200.0 * (electrics.gainInto(jackRef("osc-1.voct")) - 1.0);
            QCOMPARE(electrics.sharers(jackRef("osc-1.voct")), inputs);
            QVERIFY2(std::abs(predicted + 12.0 * (inputs - 1)) < 0.5 * inputs, qPrintable(QString::number(predicted)));
            // In the ideal case nothing sags; in the real one the pitch falls by that, give or take drift and tracking.
            const auto cents = [&](bool real) {
                return 1200.0 * std::log2(pitchOf(loose.hear("osc-1.sine", real)) / 523.2511306);
            };
            QVERIFY(std::abs(cents(false)) < 0.05);
            QVERIFY2(std::abs(cents(true) - predicted) < 8.0, qPrintable(QString::number(cents(true))));
        }
    }

    void aBufferedMultDoesNotSag() {
        Loose loose;
        loose.post("source", "tern-level", "level").post("mult", "splice-mult", "mult").tie("source.out", "mult.in");
        for (int n = 1; n <= 3; ++n) {
            const std::string id = "osc-" + std::to_string(n);
            loose.post(id, "anchor-vco", "osc").tie("mult.out-" + std::to_string(n), id + ".voct");
        }
        QCOMPARE(Electrics(loose.make(), workspace().library).gainInto(jackRef("osc-2.voct")), 1.0);
    }

    void stagesHaveANoiseFloorInTheRealCaseOnly() {
        Loose loose;
        loose.post("source", "shoal-drive", "drive")
            .post("scale", "tern-level", "level")
            .tie("source.out", "scale.in")
            .knob("scale", "amount", 100.0);
        QCOMPARE(peakOf(loose.hear("scale.out")), 0.0);
        const auto noisy = loose.hear("scale.out", true);
        double sum = 0.0;
        for (const float v : noisy) sum += static_cast<double>(v) * static_cast<double>(v);
        QVERIFY(std::abs(std::sqrt(sum / static_cast<double>(noisy.size())) / 180e-6 - 1.0) <
                0.05);                                   // as the module says
        QVERIFY(loose.hear("scale.out", true) == noisy); // seeded
    }

    void aPickyTriggerInputMissesShortAndLowPulses() {
        const auto triggers = [](double volts, double seconds, bool real) {
            Loose loose;
            loose.post("lfo", "ripple-lfo", "lfo")
                .post("level", "tern-level", "level")
                .post("shape", "plank-logic", "logic")
                .post("trap", "stepper-trap", "trap");
            loose.tie("lfo.square", "shape.a").tie("shape.length", "level.in").tie("level.out", "trap.a");
            loose.knob("lfo", "rate", 5.0)
                .knob("shape", "length", seconds)
                .knob("level", "amount", 100.0 * volts / 8.0);
            return risingEdges(loose.hear("trap.on-rise", real, 2.0), 96000.0, 4.0).size();
        };
        QVERIFY(triggers(8.0, 0.005, false) >= 9 && triggers(8.0, 0.005, true) >= 9);
        QVERIFY(triggers(8.0, 0.001, false) >= 9);
        QCOMPARE(triggers(8.0, 0.001, true), std::size_t{0}); // shorter than its 2 ms
        QCOMPARE(triggers(3.0, 0.005, true), std::size_t{0}); // below its 3.5 V
    }

    void theHertzPerVoltSchoolIsInTune() {
        Loose loose;
        loose.post("source", "tern-level", "level")
            .post("converter", "ballad-converter", "converter")
            .post("osc", "galleon-vco", "osc");
        loose.tie("source.out", "converter.in").tie("converter.out", "osc.voct").knob("source", "offset", -1.0);
        QVERIFY(std::abs(meanAtEnd(loose.hear("converter.out")) - 8.0) < 1e-3); // C3: 1, 2, 4, 8 V from C0
        QVERIFY(std::abs(1200.0 * std::log2(pitchOf(loose.hear("osc.sine")) / 130.8127827)) < 0.1);
    }

    void outputsStateTheirOwnRange() {
        Loose loose;
        loose.post("lfo", "ripple-lfo", "lfo").knob("lfo", "rate", 10.0);
        const auto volts = loose.hear("lfo.triangle");
        const auto level = measureLevel(volts);
        QVERIFY(std::abs(level.min.value) < 0.05 && std::abs(level.max.value - 10.0) < 0.05);
    }

    void stereoPlugsBringBothSides() {
        Loose loose;
        loose.post("a", "tern-level", "level")
            .post("hull-a", "twin-hull-vca", "vca")
            .post("hull-b", "twin-hull-vca", "vca")
            .post("pan", "rudder-panners", "1");
        loose.tie("a.out", "hull-a.in").tie("hull-a.out", "hull-b.in").knob("a", "offset", 4.0);
        for (const char* id : {"hull-a", "hull-b"})
            loose.knob(id, "offset-left", 100.0).knob(id, "offset-right", 100.0);
        QVERIFY(std::abs(meanAtEnd(loose.hear("hull-b.out")) - 4.0) < 1e-4); // the tip of a mono plug
        const Graph graph = buildGraph(loose.make(), workspace().library);
        const auto right = std::ranges::find(graph.nodes, "hull-b/right", &Node::key);
        QVERIFY(right == graph.nodes.end() || right->inputs[0].node >= 0);
    }

    /// A part that shows all of its block names only what differs: the order is the block's, and a control that a
    /// meaning sets is no knob of its own. Several conditions hold together, and what they name follows the mode.
    void allOfABlockAndSeveralConditions() {
        PatchMaker maker("tower-case");
        maker.post("f", "tidemark", "functions");
        Patch patch = maker.make();
        const PartInfo& part = *workspace().library.part(patch.posts[0]);
        const BlockType& type = *findBlockType("function-generator");
        QCOMPARE(part.jacks.size(), type.inputs.size() + type.outputs.size());
        QCOMPARE(part.knobs.size(), type.controls.size() - 1); // the chord is the shift's
        QVERIFY(!part.knob("chord"));
        QCOMPARE(part.knobs[0].id, std::string("rise"));
        QCOMPARE(part.knobs[5].id, std::string("shift"));
        const auto named = [&](double mode, double cycle) {
            Patch turned = *applyEdit(patch, SetKnob{"f", "mode", mode});
            turned = *applyEdit(turned, SetKnob{"f", "cycle", cycle});
            return *knobInForce(turned, turned.posts[0], part, *part.knob("shift")).name + " " +
                   jackWord(turned, workspace().library, {"f", "related-2"});
        };
        QCOMPARE(named(0, 0), std::string("Fade related 2"));
        QCOMPARE(named(1, 0), std::string("Slope related 2"));
        QCOMPARE(named(1, 1), std::string("Phase related 2"));
        QCOMPARE(named(2, 1), std::string("Chord related 2"));
        QCOMPARE(named(3, 0), std::string("Above core end of rise"));
        // The knob keeps its place on the dial and points at a chord, named and typed by its word.
        patch = *applyEdit(*applyEdit(patch, SetKnob{"f", "mode", 2}), SetKnob{"f", "shift", 45});
        const KnobInForce chord = knobInForce(patch, patch.posts[0], part, *part.knob("shift"));
        QCOMPARE(chord.scale->text(chord.value), std::string("major 4:5:6:8"));
        QVERIFY(std::abs(*chord.scale->parse("Seventh") - 100.0 * 10.0 / 13.0) < 1e-9);
        QVERIFY(std::abs(*chord.scale->parse("minor below 30:24:20:15") + 100.0 * 6.0 / 13.0) < 1e-9);
        QVERIFY(std::abs(*chord.scale->parse("12:00")) < 1e-9);
        QVERIFY(!chord.scale->parse("ninth"));
    }

    void anUnpluggedCvFollowsTheOtherOscillatorUntilAPlugComes() {
        Loose loose;
        loose.post("a", "whirlpool", "osc-a", "w")
            .post("b", "whirlpool", "osc-b", "w")
            .post("r", "whirlpool", "register", "w");
        loose.knob("a", "fm-amount", 40.0)
            .knob("b", "fm-amount", 0.0)
            .knob("r", "range", 0.0)
            .knob("r", "second-range", 0.0);
        const auto moving = loose.hear("a.triangle");
        const Patch patch = loose.make();
        const PartInfo& part = *workspace().library.part(patch.posts[0]);
        QCOMPARE(*knobInForce(patch, patch.posts[0], part, *part.knob("fm-amount")).name, std::string("From B"));
        loose.post("still", "tern-level", "level").tie("still.out", "a.fm");
        const Patch plugged = loose.make();
        QCOMPARE(*knobInForce(plugged, plugged.posts[0], part, *part.knob("fm-amount")).name, std::string("CV"));
        QVERIFY(moving != loose.hear("a.triangle"));
        QVERIFY(std::abs(pitchOf(loose.hear("a.triangle")) / 261.6255653 - 1.0) < 1e-4); // at rest now
    }

    /// The width knob becomes the depth of what is plugged into width, at the same place of its dial.
    void aPlugMovesAKnobsMeaning() {
        Loose loose;
        loose.post("osc", "dinghy-voice", "osc", "d").knob("osc", "width", 75.0);
        const PartInfo& part = *workspace().library.part(loose.make().posts[0]);
        const auto high = [&] {
            const auto volts = loose.hear("osc.pulse");
            return static_cast<double>(std::ranges::count_if(volts, [](float v) { return v > 0.0f; })) /
                   static_cast<double>(volts.size());
        };
        QVERIFY(std::abs(high() - 0.75) < 0.01);
        loose.post("level", "tern-level", "level").tie("level.out", "osc.pwm").knob("level", "offset", 2.0);
        const Patch patch = loose.make();
        const KnobInForce now = knobInForce(patch, patch.posts[0], part, *part.knob("width"));
        QCOMPARE(*now.name, std::string("PWM depth"));
        QCOMPARE(now.value, 50.0); // three quarters of the way from -100 to 100 %
        QVERIFY2(std::abs(high() - (0.5 + 0.5 * 0.2 * 2.0)) < 0.01, qPrintable(QString::number(high())));
    }

    void theRealCaseCanBeSwitchedWhileItRuns() {
        Engine engine({}, 48000.0);
        const Patch patch = lamp();
        std::vector<float> out(9600);
        engine.setPatch(patch, workspace().library);
        engine.process(out.data(), 4800);
        const std::size_t ideal = engine.blockCount();
        engine.setRealCase(true);
        engine.setPatch(patch, workspace().library);
        engine.process(out.data(), 4800);
        QVERIFY(engine.blockCount() > ideal + patch.cables.size() - 2); // a wire for each cable
        engine.setRealCase(false);
        engine.setPatch(patch, workspace().library);
        engine.process(out.data(), 4800);
        engine.collect();
        QCOMPARE(engine.blockCount(), ideal);
        QCOMPARE(engine.meters.faults.load(), std::uint64_t{0});
    }

    void keysPlayedByHandReachTheEngine() {
        Loose loose;
        loose.post("keys", "signal-keys", "keys")
            .post("osc", "anchor-vco", "osc")
            .post("out", "harbour-out", "out")
            .tie("keys.pitch-1", "osc.voct")
            .tie("osc.sine", "out.left");
        Engine engine({}, 48000.0);
        engine.setPatch(loose.make(), workspace().library);
        std::vector<float> out(96000);
        engine.process(out.data(), 4800);
        engine.play({0x90, 69, 100});
        engine.process(out.data(), 48000);
        std::vector<float> left;
        for (std::size_t i = 24000; i < 48000; ++i) left.push_back(10.0f * out[2 * i]);
        QVERIFY(std::abs(pitchOf(left, 48000.0) / 440.0 - 1.0) < 1e-3);
    }
};

QTEST_GUILESS_MAIN(ElectricsTest)
#include "electrics_test.moc"
