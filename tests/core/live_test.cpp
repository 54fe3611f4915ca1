// Editing while it plays: live equals offline after every kind of edit, material is exchanged in place, what is urgent
// waits for nothing, watching changes nothing, and the ears are guarded whatever the levels.
#include "engine/engine.h"
#include "engine/render.h"
#include "engine/solo.h"
#include "library/check.h"
#include "measure/measure.h"
#include "model/audio_file.h"
#include "model/edit.h"
#include "support/allocations.h"
#include "support/live.h"
#include "support/patches.h"
#include "units/level.h"

#include <QtTest>

#include <QTemporaryDir>

#include <chrono>
#include <cmath>
#include <cstring>
#include <random>
#include <set>
#include <thread>

using namespace lariat;
using namespace lariat::test;

namespace {

const Library& library() {
    return workspace().library;
}

Patch edited(const Patch& patch, const Edit& edit) {
    auto next = applyEdit(patch, edit).and_then([](Patch made) { return checkPatch(std::move(made), library()); });
    if (!next) throw std::runtime_error(next.error().text());
    return *next;
}

/// What the watched output of a live engine gives, edit after edit, against a renderer that is given the same patches
/// at the same runs.
void compareAfter(const Patch& start, const std::vector<Patch>& after, const JackRef& probe,
                  const Library& known = library()) {
    EngineSettings settings;
    Engine engine(settings, 96000.0); // a run of the engine is a block of the device
    engine.setPatch(start, known);
    const auto tap = engine.watch(probe, {1u << 17, 64}, known);
    QVERIFY(tap);
    auto renderer = Renderer::make(start, known, {.probes = {probe}});
    QVERIFY(renderer);
    std::vector<float> offline;
    const auto run = [&](int runs) {
        played(engine, static_cast<std::size_t>(runs) * kRun, kRun);
        renderer->run(runs * kRun / 96000.0, [&](const RunView& view) {
            const auto& volts = view.probes[0]->volts;
            offline.insert(offline.end(), volts.begin(), volts.end());
            return true;
        });
    };
    run(100);
    for (const Patch& next : after) {
        engine.setPatch(next, known);
        QVERIFY(renderer->setPatch(next));
        run(150); // longer than the cross-fade
    }
    const std::vector<float> live = tap->samples(offline.size());
    QCOMPARE(live.size(), offline.size());
    for (std::size_t i = 0; i < live.size(); ++i)
        QVERIFY2(live[i] == offline[i], qPrintable(QStringLiteral("sample %1: %2 live, %3 offline")
                                                       .arg(i)
                                                       .arg(static_cast<double>(live[i]))
                                                       .arg(static_cast<double>(offline[i]))));
}

PatchMaker tone() {
    return PatchMaker()
        .post("osc", "keel", "a")
        .post("out", "harbour", "out")
        .tie("osc.sine", "out.left")
        .knob("out", "level", 0);
}

} // namespace

class LiveTest : public QObject {
    Q_OBJECT

  private Q_SLOTS:
    /// Every kind of edit, one after the other, on a sequenced voice.
    /// Checks in the background share the library with an engine that plays and is edited.
    void checksRunBesideTheEngine() {
        const Patch patch = lamp();
        Engine engine;
        engine.setPatch(patch, library());
        std::atomic<bool> done{false};
        std::thread audio([&] {
            std::vector<float> block(2 * 256);
            while (!done) engine.process(block.data(), 256);
        });
        std::vector<std::size_t> found(3);
        std::vector<std::thread> checks;
        for (std::size_t i = 0; i < found.size(); ++i)
            checks.emplace_back([&, i] {
                const auto observed = observe(patch, library(), workspace().housing(patch), 0.5);
                found[i] = observed ? everythingIn(*observed).size() : 0;
            });
        for (int i = 0; i < 20; ++i)
            engine.setPatch(*applyEdit(patch, SetKnob{"filter", "cutoff", 300.0 + i}), library());
        for (std::thread& check : checks) check.join();
        done = true;
        audio.join();
        for (const std::size_t count : found) QCOMPARE(count, found.front());
        QVERIFY(found.front() > 0);
    }

    void liveEqualsOfflineAfterEveryEdit() {
        Patch patch = lamp();
        std::vector<Patch> after;
        const auto then = [&](const Edit& edit) {
            patch = edited(patch, edit);
            after.push_back(patch);
        };
        const Patch start = patch;
        const Cable first = patch.cables.front();
        const std::string tracks = patch.patterns.front()->post;
        then(SetKnob{"line-out", "level", -9.0});
        then(SetPattern{patch.patterns.front().with([](Pattern& p) {
            p.tracks[0].steps.resize(3);
            p.tracks[0].stride.direction = Direction::Random;
        })});
        then(SetPattern{patch.patterns.front().with([](Pattern& p) { p.tracks[0].steps.resize(1); })});
        then(RemoveCable{patch.cables.back().id});
        then(ReorderCable{first.id, 4});
        then(ReorderPost{patch.posts.front().id, 3});
        then(SetTitle{"Another"});
        then(RemoveCable{patch.cables[2].id});
        compareAfter(start, after, jackRef("vca-1.out"));
    }

    void liveEqualsOfflineWithPerformancesAndRecordings() {
        Patch patch = demo("first-voice.json");
        const Patch start = patch;
        std::vector<Patch> after;
        Performance other{"keys", 200.0, 2.0, {}};
        for (int n = 0; n < 8; ++n) {
            other.messages.push_back({0.25 * n, {0x90, static_cast<std::uint8_t>(50 + n), 100}});
            other.messages.push_back({0.25 * n + 0.2, {0x80, static_cast<std::uint8_t>(50 + n), 0}});
        }
        after.push_back(edited(patch, SetPerformance{other}));
        other.messages.resize(6);
        after.push_back(edited(after.back(), SetPerformance{other}));
        compareAfter(start, after, start.cables.front().from);
        Patch long_;
        long_.caseId = "tower-case";
        long_.posts = {{"in", "In", "in", "gangplank-in", "in", {}, {}, {}},
                       {"out", "Out", "out", "harbour-out", "out", {}, {}, {}}};
        long_.cables = {{1, {"in", "left"}, {"out", "left"}, {}, {}, {}, 0, {}, {}}};
        // Two recordings of our own, the second one shorter.
        QTemporaryDir folder;
        Library own = library();
        for (const auto& [name, size] : {std::pair{"long", 30000}, {"short", 700}}) {
            std::vector<float> sound;
            for (int n = 0; n < size; ++n) sound.push_back(0.5f * std::sin(0.05f * static_cast<float>(n)));
            QVERIFY(writeWav(folder.filePath(QLatin1String(name) + QLatin1String(".wav")).toStdString(), sound, 1,
                             44100.0));
        }
        QVERIFY(own.loadSamples(folder.path().toStdString()).empty());
        const auto choosing = [&](const char* name) {
            return *checkPatch(*applyEdit(long_, ChooseSources{"in", name, ""}), own);
        };
        compareAfter(choosing("long"), {choosing("short"), choosing("long"), choosing("")}, jackRef("in.left"), own);
    }

    /// Defect 2: a shorter recording, while the longer one plays beyond its end.
    void aShorterRecordingIsChosenWhileItPlays() {
        auto recording = [](std::size_t size) {
            auto sample = std::make_shared<Sample>();
            sample->left.assign(size, 0.5f);
            return sample;
        };
        for (const char* type : {"external-in", "sample-player"}) {
            const BlockType& block = *findBlockType(type);
            Setup setup;
            setup.material.sample = recording(200'000);
            Solo solo(block, setup);
            Transport transport;
            if (block.id == "sample-player") {
                Signal& trigger = solo.feed(0);
                trigger.volts.fill(8.0f);
            }
            for (int run = 0; run < 1500; ++run) solo.run(transport);
            for (const std::size_t size : {std::size_t{100}, std::size_t{1}, std::size_t{0}}) {
                Material other;
                other.sample = recording(size);
                solo.block().exchange(other);
                for (int run = 0; run < 10; ++run) QVERIFY(solo.run(transport));
            }
            Material none;
            solo.block().exchange(none);
            QVERIFY(solo.run(transport));
        }
    }

    void theAudioSideNeverAllocatesWhateverIsEdited() {
        Patch patch = lamp();
        Engine engine;
        engine.setPatch(patch, library());
        std::vector<float> block(1024);
        engine.process(block.data(), 512);
        std::vector<Patch> all;
        all.push_back(
            edited(patch, SetPattern{patch.patterns.front().with([](Pattern& p) { p.tracks[0].steps.resize(2); })}));
        all.push_back(edited(all.back(), SetKnob{"line-out", "level", -20.0}));
        all.push_back(edited(all.back(), RemoveCable{all.back().cables.back().id}));
        all.push_back(demo("texture.json")); // echo, reverb, grains
        all.push_back(edited(all.back(), RemoveCable{all.back().cables.front().id}));
        for (const Patch& next : all) {
            engine.setPatch(next, library());
            const AllocationCount allocations;
            for (int i = 0; i < 20; ++i) engine.process(block.data(), 512);
            QCOMPARE(allocations.count(), std::size_t{0});
        }
    }

    /// What an edit asks for is decided in one place.
    void changesArePlanned() {
        const Patch patch = lamp();
        const auto plan = [&](const Edit& edit) { return planChange(patch, edited(patch, edit), library()); };
        QVERIFY(plan(SetTitle{"x"}).nothing());
        QVERIFY(plan(ReorderCable{patch.cables[0].id, 5}).nothing());
        QVERIFY(plan(RegroupCable{patch.cables[0].id, "v", "s"}).nothing());
        const Change knob = plan(SetKnob{"line-out", "level", -12.0});
        QVERIFY(!knob.compile && knob.materials.empty());
        QCOMPARE(knob.knobs.size(), std::size_t{1});
        QCOMPARE(knob.knobs[0].value, -12.0);
        const Change pattern =
            plan(SetPattern{patch.patterns.front().with([](Pattern& p) { p.tracks[0].steps[0].note += 1; })});
        QVERIFY(!pattern.compile && pattern.knobs.empty());
        QCOMPARE(pattern.materials, std::vector<std::string>{patch.patterns.front()->post});
        QVERIFY(plan(RemoveCable{patch.cables[0].id}).compile);
        QVERIFY(plan(RemoveCable{patch.cables[0].id}).knobs.empty());
        // The same pattern once more, as another object, is no change.
        QVERIFY(plan(SetPattern{patch.patterns.front()}).nothing());
    }

    /// Moving a post must never change the sound: two oscillators that bend each other, in every order of the posts.
    void theOrderOfPostsIsNotHeard() {
        PatchMaker maker;
        maker.post("a", "keel", "a").post("b", "keel", "b").post("out", "harbour", "out");
        maker.tie("a.triangle", "b.fm").tie("b.saw", "a.fm").tie("a.triangle", "out.left").tie("b.saw", "out.right");
        maker.knob("a", "fm-amount", 40).knob("b", "fm-amount", 60).knob("b", "octave", 5);
        Patch patch = maker.make();
        RenderOptions options;
        options.seconds = 1.0;
        const Rendering one = *render(patch, library(), options);
        std::ranges::reverse(patch.posts);
        const Rendering other = *render(patch, library(), options);
        QCOMPARE(one.left, other.left);
        QCOMPARE(one.right, other.right);
    }

    /// What goes out to an insert and comes back closes no loop.
    void anInsertIsNoLoop() {
        RenderOptions options;
        options.seconds = 0.2;
        QVERIFY(render(demo("engine-room.json"), library(), options)->lateCables.empty());
    }

    /// Defect 11: a part whose neighbours stand as no posts sounds as the metal does.
    void normalsReachPartsThatStandAsNoPosts() {
        // Some module has a part that listens to another part of it by a normal; alone it gets what that one gives.
        int tried = 0;
        for (const auto& [id, module] : library().modules())
            for (const PartInfo& part : module.parts)
                for (const JackInfo& jack : part.jacks) {
                    if (jack.output || !jack.normal || jack.normal->part == part.id) continue;
                    const PartInfo* source = module.part(jack.normal->part);
                    const JackInfo* from = source ? source->jack(jack.normal->jack) : nullptr;
                    if (!from || !from->output) continue;
                    Patch patch;
                    patch.caseId = "tower-case";
                    patch.posts = {{"alone", "Alone", "slot", id, part.id, {}, {}, {}}};
                    const Graph graph = buildGraph(patch, library(), {std::vector<JackRef>{{"alone", jack.id}}});
                    QVERIFY2(graph.inputs.contains({"alone", jack.id}), qPrintable(QString::fromStdString(id)));
                    ++tried;
                }
        QVERIFY(tried > 0);
    }

    /// Monitor to zero is heard at once, though a hundred edits wait for their fades.
    void whatIsUrgentWaitsForNoFade() {
        Engine engine;
        engine.setMonitorGain(1.0f);
        PatchMaker maker = tone();
        engine.setPatch(maker.make(), library());
        played(engine, 24000);
        for (int edit = 0; edit < 100; ++edit) {
            if (edit % 2 == 0)
                engine.setPatch(PatchMaker(maker).post("noise", "spray", "noise").make(), library());
            else
                engine.setPatch(maker.make(), library());
        }
        Patch extra = maker.make();
        for (int edit = 0; edit < 100; ++edit) {
            extra.seed = static_cast<std::uint32_t>(100 + edit); // each asks for a new schedule
            engine.setPatch(extra, library());
        }
        engine.setMonitorGain(0.0f);
        played(engine, 4800); // 0.1 s
        for (const float v : played(engine, 480)) QVERIFY(std::abs(v) < 1e-4f);
    }

    /// A hundred and fifty-nine messages at once: the last one counts.
    void noNoteIsDropped() {
        Patch patch = demo("first-voice.json");
        patch.performances.clear();
        Engine engine;
        engine.setPatch(patch, library());
        const auto tap = engine.watch(jackRef("keys.pitch-1"), {}, library());
        QVERIFY(tap);
        played(engine, 480);
        for (std::uint8_t note = 30; note < 109; ++note) {
            engine.play({0x90, note, 100});
            engine.play({0x80, note, 0});
        }
        engine.play({0x90, 109, 100});
        played(engine, 48000);
        QVERIFY(std::abs(tap->samples(1).front() - 49.0f / 12.0f) < 0.01f);
    }

    /// Messages that came three milliseconds apart sound three milliseconds apart.
    void notesCarryTheirTime() {
        Patch patch = demo("first-voice.json");
        patch.performances.clear();
        Engine engine;
        engine.setPatch(patch, library());
        const auto tap = engine.watch(jackRef("keys.gate-1"), {}, library());
        QVERIFY(tap);
        std::vector<float> out(2 * 4800);
        const Engine::Time start = std::chrono::steady_clock::now();
        const auto block = [&](int n) {
            engine.process(out.data(), 4800, nullptr, start + n * std::chrono::milliseconds(100));
        };
        block(0);
        engine.play({0x90, 60, 100}, start + std::chrono::milliseconds(5));
        engine.play({0x80, 60, 0}, start + std::chrono::milliseconds(8));
        block(1);
        const Snapshot shot = tap->snapshot(9600);
        QCOMPARE(shot.edges.size(), std::size_t{2});
        QVERIFY(std::abs(shot.edges[1].sample - shot.edges[0].sample - 288.0) < 0.01);
    }

    /// MIDI clock of the transport: 24 pulses a beat at their times, start, stop and continue where they are.
    void theClockIsGivenOut() {
        Engine engine;
        Patch patch = lamp();
        const TempoHome home = tempoHome(patch, library());
        patch = *applyEdit(patch, SetKnob{home.post->id, home.knob->id, 120.0});
        engine.setClockOut(true);
        engine.setPatch(patch, library());
        const Engine::Time zero = std::chrono::steady_clock::now();
        std::vector<float> out(2 * 480);
        int block = 0;
        const auto seconds = [&](double length) {
            std::vector<ClockPulses::Event> events;
            for (const int end = block + static_cast<int>(std::lround(100 * length)); block < end; ++block) {
                engine.process(out.data(), 480, nullptr, zero + block * std::chrono::milliseconds(10));
                for (ClockPulses::Event event; engine.takeClock(event);) events.push_back(event);
            }
            return events;
        };
        const auto ms = [&](const ClockPulses::Event& event) {
            return std::chrono::duration<double, std::milli>(event.when - zero).count();
        };
        const auto first = seconds(2.0);
        QCOMPARE(first.front().status, std::uint8_t{0xFA});
        QVERIFY2(first.size() >= 96 && first.size() <= 99, qPrintable(QString::number(first.size())));
        for (std::size_t n = 1; n < first.size(); ++n) {
            QCOMPARE(first[n].status, std::uint8_t{0xF8});
            // A block later than its place; runs of 2/3 ms are made ahead of the device.
            QVERIFY2(std::abs(ms(first[n]) - 10.0 - static_cast<double>(n - 1) * 1000.0 / 48.0) < 0.7,
                     qPrintable(QString::number(ms(first[n]))));
        }
        engine.setRunning(false);
        const auto stopped = seconds(0.5);
        QCOMPARE(stopped.size(), std::size_t{1});
        QCOMPARE(stopped[0].status, std::uint8_t{0xFC});
        engine.setRunning(true);
        QCOMPARE(seconds(0.5).front().status, std::uint8_t{0xFB});
        engine.rewind();
        const auto again = seconds(0.5);
        QCOMPARE(std::ranges::count(again, std::uint8_t{0xFA}, &ClockPulses::Event::status), 1);
        engine.setClockOut(false);
        QVERIFY(seconds(0.5).empty());
    }

    /// A straight way ends when it should, and is the same live and offline.
    void handsMoveInStraightLines() {
        PatchMaker maker;
        maker.post("bias", "bilge", "1").post("out", "harbour", "out").tie("bias.out", "out.left");
        maker.knob("bias", "offset", 0.0);
        auto renderer = Renderer::make(maker.make(), library(), {.probes = {jackRef("bias.out")}});
        QVERIFY(renderer);
        QVERIFY(renderer->moveControl("bias", "offset", 4.0, 0.5));
        std::vector<float> line;
        renderer->run(0.7, [&](const RunView& view) {
            line.insert(line.end(), view.probes[0]->volts.begin(), view.probes[0]->volts.end());
            return true;
        });
        for (std::size_t i = 0; i < line.size(); i += 97) {
            const double expected = std::min(4.0, 8.0 * static_cast<double>(i) / 96000.0);
            QVERIFY2(std::abs(static_cast<double>(line[i]) - expected) < 1e-3, qPrintable(QString::number(i)));
        }
        Engine engine({}, 96000.0);
        engine.setPatch(maker.make(), library());
        const auto tap = engine.watch(jackRef("bias.out"), {1u << 17, 64}, library());
        QVERIFY(engine.moveKnob("bias", "offset", 4.0, 0.5));
        played(engine, line.size(), kRun);
        QCOMPARE(tap->samples(line.size()), line);
    }

    /// Outputs without a plug and inputs can be watched; the sound goes on to the bit.
    void watchingChangesNothing() {
        const Patch patch = lamp();
        Engine watched;
        Engine alone;
        for (Engine* engine : {&watched, &alone}) engine->setPatch(patch, library());
        std::vector<float> a = played(watched, 9600);
        std::vector<float> b = played(alone, 9600);
        const auto unplugged = watched.watch(jackRef("osc-a.sine"), {}, library());
        const auto input = watched.watch(patch.cables.front().to, {}, library());
        QVERIFY(unplugged && input);
        QVERIFY(!watched.watch(jackRef("nobody.nothing"), {}, library()));
        for (int n = 0; n < 5; ++n) {
            const auto more = played(watched, 4800);
            const auto other = played(alone, 4800);
            QCOMPARE(more, other);
        }
        QVERIFY(measureLevel(unplugged->samples(8000)).peak().value > 4.0);
        const auto source = watched.tap(patch.cables.front().from);
        QVERIFY(source);
        QCOMPARE(input->samples(1000), source->samples(1000)); // an ideal cable
    }

    void aSnapshotHasItsEdges() {
        PatchMaker maker;
        maker.timing().post("out", "harbour", "out").tie("clock.sixteenths", "out.left");
        Engine engine({}, 96000.0);
        engine.setPatch(maker.make(), library());
        played(engine, 96000, 960);
        const auto tap = engine.tap(jackRef("clock.sixteenths"));
        QVERIFY(tap);
        const Snapshot shot = tap->snapshot(16000);
        QVERIFY(!shot.edges.empty());
        for (const Snapshot::At& edge : shot.edges) {
            const auto sample = static_cast<std::size_t>(std::max(0.0, std::ceil(edge.sample)));
            if (sample + 2 >= shot.volts.size()) continue;
            QCOMPARE(shot.volts[sample + 2] > 2.0f, edge.rising);
        }
    }

    void blocksTellWhereTheyAre() {
        const Patch patch = lamp();
        Engine engine;
        engine.setPatch(patch, library());
        const auto told = engine.told(patch.patterns.front()->post);
        QVERIFY(told);
        QVERIFY(!engine.told("line-out"));
        std::set<int> seen;
        for (int n = 0; n < 200; ++n) {
            played(engine, 960);
            seen.insert(told->read()[0]);
        }
        QVERIFY(seen.size() >= patch.patterns.front()->tracks[0].steps.size());
    }

    /// A renderer from its start again gives the same, and several at once do not mind each other.
    void renderersStartAfreshAndRunSideBySide() {
        const Patch patch = demo("texture.json");
        const auto listen = [](Renderer& renderer) {
            std::vector<float> line;
            renderer.run(0.3, [&](const RunView& view) {
                line.insert(line.end(), view.left.begin(), view.left.end());
                return true;
            });
            return line;
        };
        auto first = Renderer::make(patch, library(), {});
        QVERIFY(first);
        const std::vector<float> once = listen(*first);
        first->reset();
        QCOMPARE(listen(*first), once);
        std::vector<std::vector<float>> all(4);
        std::vector<std::thread> threads;
        for (auto& line : all)
            threads.emplace_back([&] {
                auto own = Renderer::make(patch, library(), {});
                line = listen(*own);
            });
        for (std::thread& thread : threads) thread.join();
        for (const auto& line : all) QCOMPARE(line, once);
        int runs = 0;
        QVERIFY(!first->run(10.0, [&](const RunView&) { return ++runs < 5; }));
        QCOMPARE(runs, 5);
        QVERIFY(!first->setControl("nobody", "level", 0.0));
        QVERIFY(!first->setControl("line-out", "level", 99.0));
    }

    /// A patch that takes a probed input its cable is refused, and the old one runs on as if nothing had been asked.
    void aRefusedPatchChangesNothing() {
        const Patch patch = tone().make();
        const auto listen = [](Renderer& renderer) {
            std::vector<float> line;
            renderer.run(0.05, [&](const RunView& view) {
                line.insert(line.end(), view.probes[0]->volts.begin(), view.probes[0]->volts.end());
                return true;
            });
            return line;
        };
        auto asked = Renderer::make(patch, library(), {.probes = {jackRef("out.left")}});
        auto alone = Renderer::make(patch, library(), {.probes = {jackRef("out.left")}});
        QVERIFY(asked && alone);
        QCOMPARE(listen(*asked), listen(*alone));
        QVERIFY(!asked->setPatch(edited(patch, RemoveCable{patch.cables.front().id})));
        QVERIFY(asked->patch() == patch);
        QCOMPARE(listen(*asked), listen(*alone));
    }
};

QTEST_GUILESS_MAIN(LiveTest)
#include "live_test.moc"
