// Engine: order, loops, determinism, live edits without a click, no allocation on the audio side.
#include "engine/engine.h"
#include "engine/render.h"
#include "library/check.h"
#include "measure/measure.h"
#include "support/allocations.h"
#include "support/live.h"
#include "support/patches.h"
#include "units/level.h"

#include <QtTest>

#include <cmath>
#include <set>

using namespace lariat;
using namespace lariat::test;

namespace {

const Library& library() {
    return workspace().library;
}

Rendering rendered(const Patch& patch, double seconds, std::vector<JackRef> probes = {}) {
    RenderOptions options;
    options.seconds = seconds;
    options.probes = std::move(probes);
    auto made = render(patch, library(), options);
    if (!made) throw std::runtime_error(made.error().text());
    return *made;
}

/// A steady sine of 261.6 Hz straight into the line out.
PatchMaker tone() {
    return PatchMaker()
        .post("osc", "keel", "a")
        .post("out", "harbour", "out")
        .tie("osc.sine", "out.left")
        .knob("out", "level", 0);
}

/// Largest part of a steady tone that is not the tone, in dB: what a click would leave.
double clickLevel(std::span<const float> left, double hertz, double rate) {
    // A sine fulfils x[n] = 2 cos(w) x[n-1] - x[n-2]; anything sudden does not.
    const double c = 2.0 * std::cos(2.0 * 3.14159265358979323846 * hertz / rate);
    double worst = 0.0;
    double peak = 0.0;
    for (std::size_t n = 2; n < left.size(); ++n) {
        worst = std::max(worst, std::abs(static_cast<double>(left[n]) - c * static_cast<double>(left[n - 1]) +
                                         static_cast<double>(left[n - 2])));
        peak = std::max(peak, std::abs(static_cast<double>(left[n])));
    }
    return toDecibels(worst / peak).value;
}

std::vector<float> leftOf(const std::vector<float>& interleaved) {
    std::vector<float> out;
    for (std::size_t i = 0; i < interleaved.size(); i += 2) out.push_back(interleaved[i]);
    return out;
}

} // namespace

class EngineTest : public QObject {
    Q_OBJECT

  private Q_SLOTS:
    void nodesRunAfterTheirSources() {
        const Graph graph = buildGraph(lamp(), library());
        const std::vector<Group> groups = orderNodes(graph);
        std::set<int> done;
        for (const Group& group : groups) {
            QVERIFY(group.late.empty());
            for (const RunUnit& unit : group.units) {
                for (const Source& source : graph.nodes[idx(unit.node)].inputs)
                    if (source.node >= 0) QVERIFY(done.contains(source.node));
                done.insert(unit.node);
            }
        }
        QCOMPARE(done.size(), graph.nodes.size());
    }

    void unusedBlocksCostNothing() {
        PatchMaker maker = tone();
        const std::size_t before = buildGraph(maker.make(), library()).nodes.size();
        maker.post("vca", "ballast-a", "1").post("noise", "spray", "noise");
        QCOMPARE(buildGraph(maker.make(), library()).nodes.size(), before);
    }

    void acyclicCablesAddNoDelay() {
        // A trigger reaches the end of a chain of three attenuverters and a mult within its own sample.
        PatchMaker maker;
        maker.timing()
            .post("a", "bilge", "1")
            .post("b", "bilge", "2")
            .post("m", "splice", "mult")
            .post("out", "harbour", "out");
        maker.tie("tracks.drum-1", "m.in")
            .tie("m.out-2", "a.in")
            .tie("a.out", "b.in")
            .tie("b.out", "out.left")
            .knob("a", "amount", 100)
            .knob("b", "amount", 100);
        const Rendering made = rendered(maker.make(), 1.0, {jackRef("tracks.drum-1"), jackRef("b.out")});
        QVERIFY(made.lateCables.empty());
        QCOMPARE(made.probes.at(jackRef("tracks.drum-1")), made.probes.at(jackRef("b.out")));
    }

    void loopsRunWithOneSampleAtOneCable() {
        // The filter into itself: cut at exactly one cable, and it says which.
        PatchMaker maker;
        maker.post("osc", "keel", "a")
            .post("filter", "skerry", "filter")
            .post("vca", "ballast-a", "1")
            .post("out", "harbour", "out");
        maker.tie("osc.saw", "filter.in-1")
            .tie("filter.low", "vca.in")
            .tie("vca.out", "filter.in-2")
            .tie("filter.high", "out.left");
        maker.knob("vca", "offset", 60).knob("filter", "level-2", 70);
        const Rendering made = rendered(maker.make(), 1.0);
        QCOMPARE(made.lateCables.size(), std::size_t{1});
        QVERIFY(made.lateCables[0].cable == 2 || made.lateCables[0].cable == 3);
        QVERIFY(measureLevel(made.left).rms.value > 0.05);
        QCOMPARE(made.faults, std::uint64_t{0});
    }

    void aLoopIsDelayedByExactlyOneSample() {
        // y = x + late y with x = 1 V: an integrator that climbs 1 V a sample until the rail bends it.
        PatchMaker maker;
        maker.post("bias", "bilge", "1").post("mixer", "gangway", "mixer").post("out", "harbour", "out");
        maker.tie("bias.out", "mixer.in-1").tie("mixer.mix", "mixer.in-2").tie("mixer.mix", "out.left");
        maker.knob("bias", "offset", 1).knob("mixer", "level-1", 100).knob("mixer", "level-2", 100);
        const Rendering made = rendered(maker.make(), 0.01, {jackRef("mixer.mix")});
        const auto& climb = made.probes.at(jackRef("mixer.mix"));
        for (std::size_t n = 0; n < 10; ++n) QVERIFY(std::abs(climb[n] - static_cast<float>(n + 1)) < 1e-4f);
        QCOMPARE(made.lateCables.size(), std::size_t{1});
        QCOMPARE(made.lateCables[0].cable, 2);
    }

    void normalsFeedUntilAPlugBreaksThem() {
        PatchMaker maker;
        maker.timing().post("c1", "lantern-a", "1").post("c2", "lantern-a", "2").post("out", "harbour", "out");
        maker.tie("tracks.gate-1", "c1.gate").tie("c2.out", "out.left");
        QVERIFY(measureLevel(rendered(maker.make(), 1.0).left).max.value > 1.0);
        QCOMPARE(feederOf(maker.make(), library(), jackRef("c2.gate")).text(), std::string("tracks.gate-1"));
        // A plug in the second gate breaks it; drum 4 never fires, so the contour sleeps.
        maker.tie("tracks.drum-4", "c2.gate");
        QCOMPARE(measureLevel(rendered(maker.make(), 1.0).left).max.value, 0.0);
    }

    void renderingIsDeterministic() {
        const Rendering a = rendered(lamp(), 2.0);
        const Rendering b = rendered(lamp(), 2.0);
        QCOMPARE(a.mix, b.mix);
    }

    void deviceBlockSizeDoesNotMatter() {
        std::vector<std::vector<float>> takes;
        for (const std::size_t block : {std::size_t{64}, std::size_t{441}, std::size_t{1024}}) {
            Engine engine;
            engine.setPatch(lamp(), library());
            takes.push_back(played(engine, 48000, block));
        }
        QCOMPARE(takes[0], takes[1]);
        QCOMPARE(takes[0], takes[2]);
    }

    void theSameSamplesLiveAndOffline() {
        Engine engine;
        engine.setMonitorGain(1.0f);
        engine.setPatch(tone().make(), library());
        const std::vector<float> live = played(engine, 24000, 512);
        const Rendering offline = rendered(tone().make(), 0.5);
        // The monitor glides up at the start; later they agree.
        const std::size_t late = 2 * Engine::latencyFrames();
        for (std::size_t i = 30000; i < 46000; ++i) QVERIFY(std::abs(live[i + late] - offline.mix[i]) < 1e-4f);
    }

    void swappingDoesNotClick() {
        Engine engine;
        engine.setMonitorGain(1.0f);
        PatchMaker maker = tone();
        engine.setPatch(maker.make(), library());
        std::vector<float> heard = played(engine, 24000, 256);
        for (int edit = 0; edit < 6; ++edit) {
            // Something elsewhere in the patch: the tone has to go on as if nothing had happened.
            switch (edit) {
            case 0:
                maker.post("noise", "spray", "noise");
                break;
            case 1:
                maker.post("vca", "ballast-b", "1").tie("noise.white", "vca.in");
                break;
            case 2:
                maker.post("lfo", "swell", "lfo").tie("lfo.sine", "vca.lin-cv");
                break;
            case 3:
                maker.post("filter", "skerry", "filter").tie("vca.out", "filter.in-1");
                break;
            case 4:
                maker.tie("filter.low", "filter.in-2");
                break; // a loop
            default:
                maker.post("clock", "clock", "clock").tie("clock.beat", "filter.cv-1");
                break;
            }
            engine.setPatch(maker.make(), library());
            const std::vector<float> more = played(engine, 8000, 256);
            heard.insert(heard.end(), more.begin(), more.end());
        }
        const std::vector<float> left = leftOf(heard);
        const double click = clickLevel(std::span(left).subspan(20000), 261.6255653, 48000.0);
        qInfo("click %.1f dB", click);
        QVERIFY2(click < -60.0, qPrintable(QString::number(click)));
    }

    void removingTheSoundFadesIt() {
        Engine engine;
        engine.setMonitorGain(1.0f);
        engine.setPatch(tone().make(), library());
        std::vector<float> heard = played(engine, 24000, 256);
        engine.setPatch(PatchMaker().post("osc", "keel", "a").post("out", "harbour", "out").make(), library());
        const std::vector<float> after = leftOf(played(engine, 4800, 256));
        // 10 ms of fade: no step between neighbours is larger than the tone's own plus a little.
        float before = heard[heard.size() - 2];
        for (const float v : after) {
            QVERIFY(std::abs(v - before) < 0.03f);
            before = v;
        }
        QVERIFY(std::abs(after.back()) < 1e-6f);
    }

    void knobsGlide() {
        Engine engine;
        engine.setMonitorGain(1.0f);
        PatchMaker maker = tone();
        engine.setPatch(maker.make(), library());
        played(engine, 24000, 256);
        engine.setPatch(maker.knob("out", "level", -40).make(), library());
        const std::vector<float> after = leftOf(played(engine, 24000, 256));
        float before = after.front();
        for (const float v : after) {
            QVERIFY(std::abs(v - before) < 0.05f);
            before = v;
        }
        const LevelReading level = measureLevel(std::span(after).last(4800));
        QVERIFY(std::abs(toDecibels(level.peak().value / 0.5).value + 40.0) < 0.2);
    }

    void theAudioSideNeverAllocates() {
        Engine engine;
        engine.setPatch(lamp(), library());
        std::vector<float> block(1024);
        engine.process(block.data(), 512);
        PatchMaker maker = tone();
        engine.setPatch(maker.make(), library()); // a swap is waiting
        engine.setRunning(false);
        engine.setMonitorGain(0.5f);
        engine.setPatch(maker.knob("out", "level", -3).make(), library()); // and a knob
        const AllocationCount allocations;
        for (int i = 0; i < 100; ++i) engine.process(block.data(), 512);
        QCOMPARE(allocations.count(), std::size_t{0});
    }

    void earsAreGuarded() {
        Engine engine;
        engine.setMonitorGain(4.0f); // far too loud
        engine.setPatch(tone().make(), library());
        const std::vector<float> heard = played(engine, 24000, 256);
        QVERIFY(measureLevel(std::span(heard).last(8000)).peak().value <= 0.9);
        QVERIFY(engine.meters.limited.load());
    }

    /// A mixer into itself with a gain above one: shut within a second, open again when the monitor is touched.
    void aRunawayIsMuted() {
        PatchMaker maker;
        maker.post("clock", "clock", "clock")
            .post("osc", "anchor", "osc")
            .post("mixer", "gangway", "mixer")
            .post("bilge", "bilge", "1")
            .post("out", "harbour", "out");
        maker.knob("bilge", "offset", 5.0)
            .knob("bilge", "amount", 100.0)
            .knob("mixer", "level-1", 20.0)
            .knob("mixer", "level-2", 100.0)
            .knob("out", "level", 0.0);
        maker.tie("osc.pulse", "mixer.in-1")
            .tie("mixer.mix", "bilge.in")
            .tie("bilge.out", "mixer.in-2")
            .tie("mixer.mix", "out.left");
        Engine engine({}, 48000.0);
        engine.setPatch(maker.make(), library());
        engine.setMonitorGain(0.5f);
        std::vector<float> out(2 * 48000);
        engine.process(out.data(), 48000);
        engine.process(out.data(), 48000);
        QVERIFY(engine.meters.muted.load());
        QVERIFY(std::abs(out[out.size() - 2]) < 1e-3f);
        engine.setMonitorGain(0.25f);
        engine.process(out.data(), 4800);
        QVERIFY(!engine.meters.muted.load());
    }

    /// A sine at the device's input leaves the case at its pitch, at 5 V for full scale.
    void liveInputReachesTheCase() {
        Patch patch;
        patch.caseId = "tower-case";
        patch.posts = {{"in", "In", "in", "gangplank-in", "in", {}, {{"source", 1.0}}, {}},
                       {"out", "Out", "out", "harbour-out", "out", {}, {{"level", 0.0}}, {}}};
        patch.cables = {{1, {"in", "left"}, {"out", "left"}, {}, {}, {}, 0, {}, {}}};
        Engine engine({}, 48000.0);
        engine.setPatch(*checkPatch(patch, library()), library());
        engine.setMonitorGain(1.0f);
        std::vector<float> in(2 * 512);
        std::vector<float> out(2 * 512);
        std::vector<float> heard;
        for (long block = 0; block < 100; ++block) {
            for (std::size_t i = 0; i < 512; ++i)
                in[2 * i] = in[2 * i + 1] =
                    static_cast<float>(std::sin(2.0 * 3.14159265358979 * 440.0 *
                                                static_cast<double>(512 * block + static_cast<long>(i)) / 48000.0));
            engine.process(out.data(), 512, in.data());
            for (std::size_t i = 0; i < 512; ++i) heard.push_back(10.0f * out[2 * i]);
        }
        const auto steady = std::span(heard).last(24000);
        const auto pitch = measurePitch(steady, 48000.0);
        QVERIFY(pitch && std::abs(pitch->hertz.value / 440.0 - 1.0) < 1e-4);
        QVERIFY(std::abs(measureLevel(steady).peak().value - 5.0) < 0.05);
        engine.process(out.data(), 512); // nothing comes in any more
        engine.process(out.data(), 512);
        engine.process(out.data(), 512);
        QVERIFY(std::abs(out.back()) < 1e-3f);
    }

    /// A cable that is listened to: without its DC, at half its voltage, and in place of the way out.
    void oneCableIsHeardAndSafe() {
        const Patch patch =
            tone().post("level", "bilge", "1").tie("level.out", "out.right").knob("level", "offset", 4).make();
        const auto loudest = [&](const JackRef& listened) {
            Engine engine;
            engine.setMonitorGain(1.0f);
            engine.setListening({}, listened);
            engine.setPatch(patch, library());
            const std::vector<float> out = played(engine, 48000, 480);
            float peak = 0.0f; // of the last quarter second, when DC has settled
            for (std::size_t i = out.size() - 24000; i < out.size(); ++i) peak = std::max(peak, std::abs(out[i]));
            return peak;
        };
        QVERIFY2(std::abs(loudest({"osc", "sine"}) - 0.25f) < 0.005f, "5 V, halved, of 10 V");
        QVERIFY(loudest({"level", "out"}) < 0.001f); // 4 V that stand still
        QVERIFY(loudest({}) > 0.39f);                // the way out has both
    }

    /// A silenced cable stays plugged and brings nothing, live and offline.
    void aSilencedCableBringsNothing() {
        const Patch patch = tone().make();
        Engine engine;
        engine.setMonitorGain(1.0f);
        engine.setListening({patch.cables.front().id}, {});
        engine.setPatch(patch, library());
        played(engine, 4800, 480);
        for (const float v : played(engine, 4800, 480)) QVERIFY(std::abs(v) < 1e-5f); // nor what it lends to the right
        engine.setListening({}, {});
        engine.setPatch(patch, library());
        played(engine, 4800, 480);
        float peak = 0.0f;
        for (const float v : played(engine, 4800, 480)) peak = std::max(peak, std::abs(v));
        QVERIFY(peak > 0.4f);
        // The normal from left to right is broken by a plug on the right, though that one is silenced.
        PatchMaker both = tone();
        const Patch plugged = both.post("other", "keel", "b").tie("other.sine", "out.right").make();
        RenderOptions options;
        options.seconds = 0.2;
        options.silenced = {plugged.cables.back().id};
        const auto made = render(plugged, library(), options);
        QVERIFY(made);
        QVERIFY(measureLevel(made->left).peak().value > 4.0);
        QVERIFY(measureLevel(made->right).peak().value < 1e-5);
    }

    void metersTellVolts() {
        Engine engine;
        engine.setPatch(tone().make(), library());
        played(engine, 24000, 256);
        QVERIFY(std::abs(engine.meters.peakLeft.load() - 5.0f) < 0.01f);
        QCOMPARE(engine.meters.frames.load(), std::uint64_t{24000});
    }

    void stoppedTheClockStands() {
        Engine engine;
        engine.setPatch(lamp(), library());
        played(engine, 12000, 256);
        engine.setRunning(false);
        played(engine, 256, 256);
        const double beats = engine.meters.beats.load();
        played(engine, 12000, 256);
        QCOMPARE(engine.meters.beats.load(), beats);
        engine.rewind();
        engine.setRunning(true);
        played(engine, 1024, 256);
        QVERIFY(engine.meters.beats.load() < 0.2);
    }

    void tapsFollowTheCables() {
        Engine engine;
        engine.setPatch(tone().make(), library());
        played(engine, 12000, 256);
        const auto tap = engine.tap(jackRef("osc.sine"));
        QVERIFY(tap);
        const auto pitch = measurePitch(tap->samples(16000), engine.rate());
        QVERIFY(pitch && std::abs(pitch->hertz.value - 261.6256) < 0.01);
        QVERIFY(!engine.tap(jackRef("osc.pulse")));
        QCOMPARE(tap->spans(10).size(), std::size_t{10});
        QVERIFY(tap->spans(100).back().max <= 5.01f);
    }

    void aStoppedDeviceDoesNotBlockTheEditor() {
        Engine engine; // nobody calls process
        PatchMaker maker = tone();
        engine.setPatch(maker.make(), library());
        for (int i = 0; i < 6000; ++i) engine.setMonitorGain(0.1f);
        for (int i = 0; i < 40; ++i) engine.setPatch(maker.knob("out", "level", -i).make(), library());
        engine.collect();
        played(engine, 12000, 256);
        engine.collect();
        played(engine, 12000, 256);
        engine.meters.peakLeft.store(0.0f);
        played(engine, 12000, 256); // the last of the edits has arrived
        QVERIFY(std::abs(toDecibels(static_cast<double>(engine.meters.peakLeft.load()) / 5.0).value + 39.0) < 0.2);
        QVERIFY(measureLevel(engine.tap(jackRef("osc.sine"))->samples(4000)).peak().value > 4.9);
    }

    void probesMustBeOutputs() {
        RenderOptions options;
        options.probes = {jackRef("osc.sync")};
        const auto made = render(tone().make(), library(), options);
        QVERIFY(!made);
        QVERIFY(made.error().reason.str().find("osc.sync") != std::string::npos);
    }

    void renderingCanBeCancelled() {
        RenderOptions options;
        options.seconds = 100.0;
        int asked = 0;
        options.progress = [&](double) { return ++asked < 3; };
        QVERIFY(!render(tone().make(), library(), options));
        QCOMPARE(asked, 3);
    }
};

QTEST_APPLESS_MAIN(EngineTest)
#include "engine_test.moc"
