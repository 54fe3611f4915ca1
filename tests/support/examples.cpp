#include "support/examples.h"

#include "findings/trial.h"
#include "library/check.h"

#include <QtTest>

namespace lariat::test {
namespace {

std::string text(const std::vector<Finding>& findings) {
    std::string out;
    for (const Finding& finding : findings)
        out += finding.rule + " at " + finding.post + ": " + finding.figure.str() + "\n";
    return out;
}

/// Says what is wrong with an example that cannot be made.
Patch made(const Example& example) {
    try {
        return example.make().make();
    } catch (const std::runtime_error& wrong) {
        qWarning("%s", wrong.what());
        return {};
    }
}

} // namespace

PatchMaker voice() {
    return PatchMaker("tower-case").voice();
}

/// The voice, whose filter goes through something else than its VCA to the way out.
PatchMaker through(const char* slot, const char* part, const char* in, const char* cv, const char* out) {
    return voice()
        .untie("vca.in")
        .untie("vca.lin-cv")
        .untie("out.left")
        .post("amp", slot, part)
        .tie("filter.low", std::string("amp.") + in)
        .tie("contour.out", std::string("amp.") + cv)
        .tie(std::string("amp.") + out, "out.left");
}
PatchMaker banked() {
    return through("quay-a", "bank", "in-1", "cv-1", "out-1");
}
PatchMaker gated() {
    return through("mussel", "1", "in", "cv", "out");
}
PatchMaker mixed() {
    return through("bridge", "mixer", "left-1", "cv-1", "out-left").knob("amp", "level-1", 0);
}

/// A slow wave at a jack.
PatchMaker waved(PatchMaker maker, double hertz, const char* wave, const char* to) {
    return maker.untie(to).post("lfo", "swell-a", "lfo").knob("lfo", "rate", hertz).tie(std::string("lfo.") + wave, to);
}

/// Something strikes noise, or an oscillator, on the right, through an envelope of its own.
PatchMaker hit(const char* slot, const char* part, const char* gate, bool noise) {
    PatchMaker maker = voice();
    if (noise)
        maker.post("body", "spray-a", "noise").tie("body.white", "hit-vca.in");
    else
        maker.post("body", "anchor-a", "osc").knob("body", "fine", 1.37);
    return maker.post("hit", slot, part)
        .post("hit-vca", "ballast-b", "1")
        .tie("tracks.drum-1", std::string("hit.") + gate)
        .tie("hit.out", "hit-vca.lin-cv")
        .tie("hit-vca.out", "out.right");
}
PatchMaker functions(double rise, double fall, bool noise) {
    return hit("tidemark", "functions", "trigger", noise).knob("hit", "rise", rise).knob("hit", "fall", fall);
}
PatchMaker contour(double type, double attack, double decay, bool noise) {
    return hit("sextant-a", "contour", "gate", noise)
        .knob("hit", "type", type)
        .knob("hit", "attack", attack)
        .knob("hit", "decay", decay)
        .knob("hit", "sustain", 50);
}
/// A drum of an oscillator.
PatchMaker drum(const char* wave) {
    return contour(2, 0.001, 0.05, false).tie(wave, "hit-vca.in");
}

/// The voice on a follower that an oscillator leads.
PatchMaker led() {
    return voice().post("leader", "keel-a", "b").knob("leader", "octave", 3).tie("leader.pulse", "osc.sync");
}
PatchMaker shaken(const char* in, const char* amount, double depth) {
    const std::string jack = in;
    return voice()
        .post("other", "keel-a", "b")
        .knob("other", "fine", 3.3)
        .knob("osc", amount, depth)
        .knob("other", amount, depth)
        .tie("other.sine", "osc." + jack)
        .tie("osc.sine", "other." + jack);
}
/// A filter that sings, in the place of the oscillator.
PatchMaker singing(const char* slot, const char* part, const char* out) {
    return voice()
        .untie("filter.in-1")
        .untie("vca.in")
        .post("song", slot, part)
        .knob("song", "resonance", 100)
        .tie(std::string("song.") + out, "vca.in");
}
PatchMaker divided() {
    return voice().post("divider", "capstan", "divider").tie("osc.pulse", "divider.clock");
}
/// The tune goes through something to the oscillator.
PatchMaker tuneThrough(const char* slot, const char* part) {
    return voice().untie("osc.voct").post("way", slot, part).tie("tracks.pitch-1", "way.in").tie("way.out", "osc.voct");
}
/// What the VCA gives goes through something to the way out.
PatchMaker soundThrough(const char* slot, const char* part, const char* in, const char* out) {
    return voice()
        .untie("out.left")
        .post("way", slot, part)
        .tie("vca.out", std::string("way.") + in)
        .tie(std::string("way.") + out, "out.left");
}
PatchMaker lifted(double offset) {
    return soundThrough("cargo-a", "1", "in", "out").knob("way", "amount", 50).knob("way", "offset", offset);
}
/// Three oscillators in a mixer behind the VCA.
PatchMaker summed(const char* slot, const char* part, const std::vector<const char*>& inputs, const char* out) {
    PatchMaker maker = voice().untie("filter.in-1").post("sum", slot, part);
    maker.post("b", "keel-b", "a").post("c", "anchor-a", "osc");
    const char* sounds[] = {"osc.saw", "b.saw", "c.saw"};
    for (std::size_t i = 0; i < inputs.size(); ++i) maker.tie(sounds[i], std::string("sum.") + inputs[i]);
    for (const char* other : {"b.voct", "c.voct"}) maker.tie("tracks.pitch-1", other);
    return maker.tie(std::string("sum.") + out, "filter.in-1").knob("filter", "level-1", 30);
}

void addRows(const std::vector<Example>& examples) {
    QTest::addColumn<int>("which");
    for (std::size_t i = 0; i < examples.size(); ++i)
        QTest::addRow("%s, %s", examples[i].rule, examples[i].name) << static_cast<int>(i);
}

void foundAndCured(const Example& example) {
    const Patch patch = made(example);
    const auto all = findingsIn(patch);
    const auto found = std::ranges::find(all, example.rule, &Finding::rule);
    QVERIFY2(found != all.end(), text(all).c_str());
    QVERIFY2(!found->fixes.empty(), whyNone(patch, *found).c_str());
    const auto cured = applyEdits(patch, found->fixes.front().edits).and_then([](Patch made) {
        return checkPatch(std::move(made), workspace().library);
    });
    QVERIFY2(cured, cured ? "" : cured.error().text().c_str());
    const auto left = findingsIn(*cured);
    QVERIFY2(std::ranges::none_of(left, [&](const Finding& f) { return f.rule == example.rule; }), text(left).c_str());
}

void isRight(const Example& example) {
    const auto all = findingsIn(made(example));
    QVERIFY2(std::ranges::none_of(all, isProblem), text(all).c_str());
}

} // namespace lariat::test
