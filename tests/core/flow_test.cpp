// The flow of a patch: what blocks state of their jacks is what they do, and the map joins it over cables and normals.
#include "engine/render.h"
#include "flow/life.h"
#include "support/patches.h"
#include "support/rig.h"

#include <QtTest>

#include <cmath>

using namespace lariat;
using namespace lariat::test;

namespace {

Pattern somePattern() {
    Track track{"notes", {}};
    for (const int note : {50, 57, 62, 53}) track.steps.push_back({Step::Kind::Note, note, 0.5, false});
    return {"",
            {track, track, track, track},
            {{"a", hits("x.x.")},
             {"b", hits("x.x.")},
             {"c", hits("x.x.")},
             {"d", hits("x.x.")},
             {"e", hits("x.x.")},
             {"f", hits("x.x.")},
             {"g", hits("x.x.")},
             {"h", hits("x.x.")}}};
}

std::shared_ptr<const Sample> someSample() {
    auto sample = std::make_shared<Sample>();
    for (int n = 0; n < 9600; ++n) sample->left.push_back(std::sin(0.05f * static_cast<float>(n)));
    return sample;
}

/// A block with something at every input, but for one of them; what each output gives.
std::map<std::string, std::vector<float>> outputsOf(const BlockType& type, const std::string& other, int setting) {
    Rig rig(type.id);
    if (type.playsSample) rig.setup.material.sample = someSample();
    if (type.playsPattern) rig.pattern(somePattern());
    for (const ControlSpec& control : type.controls) {
        const Scale& scale = control.scale;
        const bool amount =
            std::ranges::any_of(type.inputs, [&](const JackSpec& jack) { return jack.amount == control.id; });
        const bool level = std::ranges::any_of(flowsOf(type), [&](const Flow& flow) {
            return std::ranges::find(flow.levels, control.id) != flow.levels.end();
        });
        if (amount || level)
            rig.set(control.id, 0.5 * scale.max);
        else if (control.momentary || control.id.starts_with("mute") || control.id.starts_with("solo") ||
                 control.id == "freeze")
            continue;
        else if (control.id == "time")
            rig.set(control.id, 0.05);
        else if (control.id == "steps")
            rig.set(control.id, scale.max);
        else if (control.id.starts_with("send") || control.id.starts_with("index") || control.id == "fold" ||
                 control.id == "carrier")
            rig.set(control.id, 0.4 * scale.max);
        else if (scale.taper == Taper::Switch && scale.words.size() < 5 && control.id != "play" &&
                 control.id != "steps")
            rig.set(control.id, std::min<double>(setting, scale.max));
    }
    int n = 0;
    for (const JackSpec& jack : type.inputs) {
        ++n;
        const bool changed = jack.id == other;
        if (jack.kind == SignalKind::Gate || jack.kind == SignalKind::Clock) {
            std::vector<Pulse> pulses;
            const bool seldom =
                jack.id.find("reset") != std::string::npos || jack.id.find("restore") != std::string::npos;
            const double every = seldom ? 0.31 : changed ? 0.023 : 0.041;
            for (double t = 0.002 * n; t < 1.0; t += every) pulses.push_back({t, t + 0.4 * every});
            if (changed && seldom) pulses = {{0.05, 0.06}};
            rig.pulses(jack.id, pulses);
        } else {
            const double hertz = jack.kind == SignalKind::Audio ? 90.0 + 37.0 * n : 3.0 + n;
            rig.feed(jack.id, [=](double t) {
                return changed ? 1.9 * std::sin(6.283185 * 1.7 * hertz * t) + 0.7
                               : 2.5 * std::sin(6.283185 * hertz * t) + 0.3;
            });
        }
    }
    rig.run(0.6);
    std::map<std::string, std::vector<float>> out;
    for (const JackSpec& jack : type.outputs) out[jack.id] = rig.out(jack.id);
    if (type.leadsOut) out["left"] = rig.left(), out["right"] = rig.right();
    return out;
}

} // namespace

class FlowTest : public QObject {
    Q_OBJECT

  private Q_SLOTS:
    void blocksDoWhatTheyState_data() {
        QTest::addColumn<QString>("type");
        for (const BlockType& type : blockTypes())
            if (!type.inputs.empty()) QTest::newRow(type.id.c_str()) << QString::fromStdString(type.id);
    }
    /// Where something else at an input changes an output, a flow between them is stated; and what is stated to pass
    /// does change it.
    void blocksDoWhatTheyState() {
        QFETCH(QString, type);
        const BlockType& block = *findBlockType(type.toStdString());
        const std::vector<Flow> flows = flowsOf(block);
        const auto isTaken = [&](const Flow& flow) { // everything is plugged in here
            return std::ranges::any_of(flow.unlessPlugged, [&](const std::string& id) {
                return std::ranges::find(block.inputs, id, &JackSpec::id) != block.inputs.end();
            });
        };
        const auto stated = [&](const std::string& input, const std::string& output, std::optional<Does> does) {
            return std::ranges::any_of(flows, [&](const Flow& flow) {
                return std::ranges::find(flow.inputs, input) != flow.inputs.end() && (!does || flow.does == *does) &&
                       !isTaken(flow) &&
                       (flow.outputs.empty() || std::ranges::find(flow.outputs, output) != flow.outputs.end());
            });
        };
        QStringList wrong;
        std::set<std::pair<std::string, std::string>> acts;
        for (const int setting : {0, 1}) {
            const auto before = outputsOf(block, "", setting);
            for (const JackSpec& input : block.inputs)
                for (const auto& [output, volts] : outputsOf(block, input.id, setting)) {
                    double most = 0.0;
                    for (std::size_t i = 0; i < volts.size(); ++i)
                        most = std::max(most, static_cast<double>(std::abs(volts[i] - before.at(output)[i])));
                    if (most > 1e-3) acts.insert({input.id, output});
                }
        }
        for (const auto& [input, output] : acts)
            if (!block.leadsOut && !stated(input, output, std::nullopt))
                wrong << QStringLiteral("%1 acts on %2 and says nothing of it").arg(input.c_str(), output.c_str());
        for (const JackSpec& input : block.inputs)
            for (const JackSpec& output : block.outputs)
                if (stated(input.id, output.id, Does::Passes) && !acts.contains({input.id, output.id}))
                    wrong << QStringLiteral("%1 does not pass to %2").arg(input.id.c_str(), output.id.c_str());
        QVERIFY2(wrong.isEmpty(), qPrintable(wrong.join(QStringLiteral("; "))));
    }

    /// Every control, input and output that a flow names exists.
    void flowsNameWhatIsThere() {
        for (const BlockType& type : blockTypes())
            for (const Flow& flow : flowsOf(type)) {
                const auto has = [](const auto& specs, const std::string& id) {
                    return std::ranges::find(specs, id, [](const auto& spec) { return spec.id; }) != specs.end();
                };
                for (const std::string& id : flow.inputs) QVERIFY2(has(type.inputs, id), (type.id + " " + id).c_str());
                for (const std::string& id : flow.outputs)
                    QVERIFY2(has(type.outputs, id), (type.id + " " + id).c_str());
                for (const std::string& id : flow.unlessPlugged)
                    QVERIFY2(has(type.outputs, id) || has(type.inputs, id), (type.id + " " + id).c_str());
                for (const auto& ids : {flow.levels, flow.mutes})
                    for (const std::string& id : ids) QVERIFY2(has(type.controls, id), (type.id + " " + id).c_str());
                for (const std::string& id : {flow.opener, flow.solo, flow.feedback})
                    QVERIFY2(id.empty() || has(type.controls, id), (type.id + " " + id).c_str());
            }
    }

    void gainsAreThoseOfTheKnobs() {
        const Patch patch = PatchMaker("tower-case")
                                .voice()
                                .post("level", "cargo-a", "1")
                                .knob("level", "amount", -40)
                                .post("mix", "gangway-a", "mixer")
                                .tie("osc.sine", "level.in")
                                .tie("level.out", "mix.in-1")
                                .knob("mix", "level-1", 50)
                                .knob("mix", "main", 80)
                                .tie("mix.mix", "out.right")
                                .make();
        const FlowMap map(patch, workspace().library);
        const FlowMap::At level = map.inputAt({"level", "in"});
        const FlowMap::At mix = map.inputAt({"mix", "in-1"});
        QVERIFY(level.node >= 0 && mix.node >= 0);
        QVERIFY(std::abs(map.gain(*map.into(level.node, 0, Does::Passes).front()) + 0.4) < 1e-9);
        QVERIFY(std::abs(map.gain(*map.into(mix.node, 0, Does::Passes).front()) - 0.4) < 1e-9);
        QCOMPARE(map.outputJack(level.node, 0), (JackRef{"level", "out"}));
        QCOMPARE(map.inputJack(mix.node, mix.index), (JackRef{"mix", "in-1"}));
        const auto knob = map.knobAt(level.node, map.into(level.node, 0, Does::Passes).front()->levels.front());
        QVERIFY(knob && knob->post == "level" && knob->knob->id == "amount");
    }

    /// A solo shuts the others; a plug in an output of the cascade takes its channel out of what follows.
    void switchesAndPlugsShutWays() {
        PatchMaker maker = PatchMaker("tower-case").voice();
        maker.post("mix", "bridge", "mixer").tie("osc.sine", "mix.left-1").tie("osc.pulse", "mix.left-2");
        maker.tie("mix.out-left", "out.right").knob("mix", "solo-2", 1);
        maker.post("bank", "quay-a", "bank").tie("osc.saw", "bank.in-1").tie("bank.out-4", "mix.left-3");
        const auto ways = [&](const Patch& patch, const char* jack) {
            const FlowMap map(patch, workspace().library);
            const FlowMap::At at = map.inputAt(jackRef(jack));
            std::vector<int> shut;
            for (const Way& way : map.ways(at.node))
                if (way.input == at.index && way.does == Does::Passes) shut.push_back(map.shutBy(way));
            return shut;
        };
        const Patch patch = maker.make();
        QVERIFY(ways(patch, "mix.left-1").front() >= 0);
        QVERIFY(ways(patch, "mix.left-2").front() < 0);
        QCOMPARE(ways(patch, "bank.in-1").size(), std::size_t{4});
        maker.tie("bank.out-2", "mix.left-4");
        QCOMPARE(ways(maker.make(), "bank.in-1").size(), std::size_t{2});
    }

    /// Figures of a signal against what was fed in: a gate of 30 ms every 200 ms.
    void lifeIsMeasured() {
        const double rate = 96000.0;
        LifeMeter meter(rate);
        Signal signal;
        long sample = 0;
        for (int run = 0; run < 3000; ++run) {
            for (int i = 0; i < kRun; ++i, ++sample) {
                const double t = std::fmod(static_cast<double>(sample) / rate, 0.2);
                signal[i] = t < 0.03 ? 5.0f : 0.0f;
            }
            meter.add(signal);
        }
        const Life life = meter.life();
        QCOMPARE(life.rises, 10);
        QVERIFY(std::abs(life.high - 0.15) < 1e-3);
        QVERIFY(std::abs(life.longestLow - 0.17) < 1e-4);
        QVERIFY(std::abs(life.mean - 0.75) < 1e-2);
        QCOMPARE(life.floor, 0.0f);
        QVERIFY(std::abs(life.since - 0.03) < 1e-3); // it stood still before
    }
};

QTEST_APPLESS_MAIN(FlowTest)
#include "flow_test.moc"
