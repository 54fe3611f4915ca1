// What a careful look found not to hold, each held here against what it should be.
#include "blocks/control/wire.h"
#include "blocks/parts/gate.h"
#include "engine/engine.h"
#include "engine/render.h"
#include "library/check.h"
#include "library/midi_file.h"
#include "measure/measure.h"
#include "model/file.h"
#include "model/patch.h"
#include "support/patches.h"
#include "support/rig.h"

#include <QtTest>

#include <cmath>
#include <random>

#include <QTemporaryDir>

using namespace lariat;
using namespace lariat::test;

namespace {

double at(const std::vector<float>& line, double seconds, double rate = 96000.0) {
    return static_cast<double>(line[static_cast<std::size_t>(seconds * rate)]);
}

std::shared_ptr<const Performance> performance(std::vector<PlayedMessage> messages, double length = 0.0,
                                               double tempo = 60.0) {
    return std::make_shared<const Performance>(Performance{"p", tempo, length, std::move(messages)});
}

MidiMessage on(int note, int channel = 0) {
    return {static_cast<std::uint8_t>(0x90 | channel), static_cast<std::uint8_t>(note), 100};
}
MidiMessage off(int note) {
    return {0x80, static_cast<std::uint8_t>(note), 0};
}

Patch patchWith(Performance played) {
    Patch patch = *openPatch(std::filesystem::path(LARIAT_SOURCE) / "data/demo/first-voice.json", workspace().library);
    played.post = "keys";
    return *applyEdit(patch, SetPerformance{std::move(played)});
}

} // namespace

class TruthTest : public QObject {
    Q_OBJECT

  private Q_SLOTS:
    /// 1: a Random track is made shorter while it plays; whatever was drawn, only its steps sound.
    void aRandomTrackMayShrink() {
        const auto of = [](int count, int note) {
            Track track;
            track.name = "t";
            track.steps.assign(static_cast<std::size_t>(count), Step{Step::Kind::Note, note});
            track.stride.direction = Direction::Random;
            Material material;
            material.pattern = std::make_shared<const Pattern>(Pattern{"p", {track, track}, {{"l", test::hits("x")}}});
            return material;
        };
        Rig rig("track-sequencer");
        rig.setup.material = of(64, 60);
        std::vector<Pulse> clock;
        for (int n = 0; n < 1000; ++n) clock.push_back({0.001 * n, 0.001 * n + 0.0005});
        rig.pulses("clock", clock).run(0.1);
        for (const int count : {1, 40, 2, 64, 1}) {
            rig.exchange(of(count, 72)).run(0.05);
            QVERIFY(std::abs(rig.out("pitch-1").back() - 1.0f) < 1e-6f);
            QVERIFY(rig.told()[0] >= 0 && rig.told()[0] < count);
        }
        rig.exchange({}).run(0.05); // no pattern at all
    }

    /// 3: what is imported can be saved and opened again.
    void everyImportGoesRound() {
        QTemporaryDir folder;
        const auto file = std::filesystem::path(folder.filePath(QStringLiteral("all.mid")).toStdString());
        Performance all{"keys", 90.0, 0.0, {}};
        std::mt19937 random(4);
        for (int n = 0; n < 12000; ++n) {
            const std::uint8_t kinds[] = {0x80, 0x90, 0xA0, 0xB0, 0xC0, 0xD0, 0xE0};
            MidiMessage m{static_cast<std::uint8_t>(kinds[random() % 7] | (random() % 16)),
                          static_cast<std::uint8_t>(random() % 128), static_cast<std::uint8_t>(random() % 128)};
            if (m.kind() == 0xC0 || m.kind() == 0xD0 || m.kind() == 0x80) m.data2 = 0;
            all.messages.push_back({n / 480.0, m});
        }
        QVERIFY(writeMidiFile(file, all));
        const auto read = readMidiFile(file, "keys");
        QVERIFY2(read, read ? "" : read.error().text().c_str());
        QCOMPARE(read->performance.messages.size(), all.messages.size());
        Performance whole = read->performance; // and what only a patch can keep
        for (const int status : {0xF8, 0xFA, 0xFB, 0xFC})
            whole.messages.push_back({30.0, {static_cast<std::uint8_t>(status), 0, 0}});
        const Patch patch = patchWith(whole);
        const auto again = readPatch(writePatch(patch));
        QVERIFY2(again, again ? "" : again.error().text().c_str());
        QVERIFY(again->performance("keys")->messages == whole.messages);
        QCOMPARE(QDir(folder.path()).entryList(QDir::Files | QDir::Hidden).size(), 1); // no leftovers
    }

    /// 24: a tempo that changes within the file is played out in time.
    void tempoChangesKeepTheirTime() {
        QTemporaryDir folder;
        const QString name = folder.filePath(QStringLiteral("tempo.mid"));
        // 120 BPM, a note of two beats; after one beat the tempo halves: it ends at 0.5 + 1.0 s.
        const char bytes[] = "MThd\0\0\0\6\0\0\0\1\1\xE0"
                             "MTrk\0\0\0\x1C"
                             "\0\xFF\x51\3\7\xA1\x20"
                             "\0\x90\x3C\x64"
                             "\x83\x60\xFF\x51\3\x0F\x42\x40"
                             "\x83\x60\x80\x3C\0"
                             "\0\xFF\x2F\0";
        QFile out(name);
        QVERIFY(out.open(QIODevice::WriteOnly));
        out.write(bytes, sizeof bytes - 1);
        out.close();
        const auto read = readMidiFile(name.toStdString(), "keys");
        QVERIFY2(read, read ? "" : read.error().text().c_str());
        QCOMPARE(read->performance.messages.size(), std::size_t{2});
        QVERIFY(std::abs(read->performance.messages[1].beat * 60.0 / read->performance.tempo - 1.5) < 1e-3);
    }

    /// 4: two changes within the last sample of a run.
    void twoEdgesInTheLastSample() {
        EdgeList list;
        Signal out;
        out.list = &list;
        GateWriter writer;
        writer.start(&out, 0);
        writer.change(62.2f, true, 8.0f);
        writer.change(62.6f, false, 0.0f);
        writer.change(62.8f, true, 8.0f);
        writer.finish(kRun);
        QCOMPARE(list.count, 3);
        QVERIFY(std::abs(out[63] - 8.0f * (0.8f - 0.4f + 0.2f)) < 1e-4f);
        for (int i = 0; i < 63; ++i) QCOMPARE(out[i], 0.0f);
    }

    /// 5: an object of endless keys is refused, and a large file of many is read in time linear in its size.
    void objectsHaveALimit() {
        std::string many = R"({"format": "lariat-patch", "version": 1, "title": "x")";
        for (int n = 0; n < 60000; ++n) many += ", \"k" + std::to_string(n) + "\": 1";
        const auto refused = readPatch(many + "}");
        QVERIFY(!refused);
        QVERIFY(refused.error().reason.str().find("512 keys") != std::string::npos);
    }

    /// 6 and 24: locked oscillators follow the pitch of what they are locked to, and are transposed once.
    void lockedOscillatorsFollowPitch() {
        Rig rig("ratio-trio");
        rig.set("left-source", 0).set("inner-source", 1).set("inner-times", 6).set("inner-by", 4); // 7 : 5 of the left
        rig.set("transpose", 5.5);
        rig.feed("left-voct", [](double t) { return t < 0.5 ? 0.0 : 1.0; }).run(1.5);
        const auto pitch = [&](const char* jack, double from) {
            const auto all = std::span(rig.out(jack)).subspan(static_cast<std::size_t>(from * 96000.0), 28800);
            const auto found = measurePitch(all, 96000.0);
            return found ? found->hertz.value : 0.0;
        };
        const double base = 261.6255653 * std::exp2(5.5 / 12.0);
        for (const double from : {0.15, 1.1}) {
            const double octave = from > 0.5 ? 2.0 : 1.0;
            QVERIFY2(std::abs(pitch("left-sine", from) / (base * octave) - 1.0) < 1e-4,
                     qPrintable(QString::number(pitch("left-sine", from))));
            QVERIFY2(std::abs(pitch("inner-sine", from) / (base * octave * 7.0 / 5.0) - 1.0) < 1e-4,
                     qPrintable(QString::number(pitch("inner-sine", from))));
        }
        // Tune and v/oct of a locked one are nothing to it.
        Rig still("ratio-trio");
        still.set("left-source", 0).set("inner-source", 1).set("inner-tune", 7).feed("inner-voct", 0.3).run(0.5);
        const auto follows = measurePitch(std::span(still.out("inner-sine")).last(28800), 96000.0);
        QVERIFY(follows && std::abs(follows->hertz.value / 261.6255653 - 1.0) < 1e-4);
    }

    /// 24: a clock is followed from its second edge on.
    void aSlowClockIsLockedAtOnce() {
        Rig rig("ratio-trio");
        std::vector<Pulse> clock;
        for (int n = 0; n < 20; ++n) clock.push_back({0.1 + n / 5.3, 0.15 + n / 5.3});
        rig.set("right-source", 2).set("right-index", 0).pulses("right-ref", clock).run(3.0);
        const auto rises = risingEdges(rig.out("right-sine"), 96000.0, 0.0);
        QVERIFY(rises.size() > 10);
        for (std::size_t n = 2; n < rises.size(); ++n)
            QVERIFY2(std::abs(rises[n] - rises[n - 1] - 1.0 / 5.3) < 2e-4, qPrintable(QString::number(n)));
    }

    /// 7: a clock that is silenced or scaled below the threshold fires nothing.
    void silencedClocksFireNothing() {
        PatchMaker maker;
        maker.timing().post("contour", "lantern-a", "1").post("out", "harbour", "out");
        maker.tie("clock.beat", "contour.gate").tie("contour.out", "out.left");
        const Patch patch = maker.make();
        RenderOptions options;
        options.seconds = 1.0;
        QVERIFY(measureLevel(render(patch, workspace().library, options)->left).peak().value > 1.0);
        options.silenced = {patch.cables.end()[-2].id};
        QVERIFY(measureLevel(render(patch, workspace().library, options)->left).peak().value < 1e-3);
        // Scaled down, behind the panel of an input that wants more: by hand, with the wire itself.
        for (const auto& [gain, fires] : {std::pair{1.0f, true}, {0.6f, true}, {0.3f, false}, {0.0f, false}}) {
            Solo wire(wireType(), {});
            wire.setControl(wire::Gain, gain);
            GateReader reader;
            std::size_t edges = 0;
            Transport transport;
            for (int run = 0; run < 200; ++run) {
                Signal& in = wire.feed(0);
                in.list->clear();
                in.list->listed = true;
                const bool high = run % 20 < 10;
                in.volts.fill(high ? 5.0f : 0.0f);
                if (run % 20 == 0) in.list->add(0.0f, true);
                if (run % 20 == 10) in.list->add(0.0f, false);
                wire.run(transport);
                FoundEdges found;
                reader.read(wire.out(0), 0, kRun, found);
                edges += found.count;
            }
            QCOMPARE(edges > 0, fires);
            if (fires) QCOMPARE(edges, std::size_t{20});
        }
    }

    /// 8: a sequence that is edited while it plays is heard.
    void anEditedSequenceIsHeard() {
        const auto of = [](std::vector<int> notes) {
            Track track;
            track.name = "own";
            for (const int note : notes) track.steps.push_back({Step::Kind::Note, note});
            Material material;
            material.pattern = std::make_shared<const Pattern>(Pattern{"p", {track}, {}});
            return material;
        };
        Rig rig("quantizer");
        rig.setup.material = of({60, 60, 60});
        std::vector<Pulse> clock;
        for (int n = 0; n < 100; ++n) clock.push_back({0.02 * n, 0.02 * n + 0.01});
        rig.set("play", 1).pulses("clock-1", clock).run(0.5);
        QVERIFY(std::abs(rig.out("out-1").back()) < 1e-6f);
        rig.exchange(of({72})).run(0.5);
        QVERIFY(std::abs(rig.out("out-1").back() - 1.0f) < 1e-6f);
    }

    /// 9: notes that end where the loop does; other performances; a rewind.
    void loopsLetGoAndRewindsToo() {
        Rig rig("keys");
        rig.setup.material.performance = performance({{0.0, on(60)}, {1.0, off(60)}}, 1.0, 240.0);
        rig.run(0.6); // a loop is a quarter of a second
        // The gate falls at the loop's end and rises with the next note: an edge each time.
        QVERIFY(rig.rising("gate-1").size() >= 3);
        Rig rewound("keys");
        rewound.setup.material.performance = performance({{0.1, on(60)}});
        rewound.run(0.5);
        QVERIFY(rewound.out("gate-1").back() > 4.0f);
        rewound.transport.rewind = true;
        rewound.run(0.01);
        QVERIFY(rewound.out("gate-1").back() < 1.0f);
        // Another performance goes on at its place, and what sounds there is struck.
        Rig other("keys");
        other.setup.material.performance = performance({{0.0, on(60)}, {4.0, off(60)}}, 4.0);
        other.run(1.0);
        Material next;
        next.performance = performance({{0.5, on(72)}, {3.0, off(72)}}, 4.0);
        other.exchange(next).run(0.1);
        QVERIFY(other.out("gate-1").back() > 4.0f);
        QVERIFY(std::abs(other.out("pitch-1").back() - 1.0f) < 1e-6f);
        other.exchange({}).run(0.1);
        QVERIFY(other.out("gate-1").back() < 1.0f);
    }

    /// 10: linked converters are one chain in the real case too, where wires lie in their cables.
    void linkedConvertersAreOneChainOfMetal() {
        for (const bool real : {false, true}) {
            Patch patch;
            patch.caseId = "tower-case";
            for (const std::string id : {"one", "two"})
                patch.posts.push_back({id, id, id, "telegraph-converter", "midi", {}, {}, {}});
            patch.posts.push_back({"out", "out", "out", "harbour-out", "out", {}, {}, {}});
            patch.cables = {{1, {"one", "link-out"}, {"two", "link"}, {}, {}, {}, 0, {}, {}},
                            {2, {"two", "gate-1"}, {"out", "left"}, {}, {}, {}, 0, {}, {}}};
            const auto checked = checkPatch(patch, workspace().library);
            QVERIFY2(checked, checked ? "" : checked.error().text().c_str());
            const Graph graph = buildGraph(*checked, workspace().library, {{}, real});
            int units = 0;
            for (const Node& node : graph.nodes)
                if (node.type->chains) {
                    QCOMPARE(node.setup.chainLength, 2);
                    units += 1 + node.setup.chainPlace;
                }
            QCOMPARE(units, 3);
        }
    }

    /// 24: a step glides for its part of the step, and then is there.
    void stepsGlideForTheirPart() {
        Rig rig("step-sequencer");
        std::vector<Pulse> clock;
        for (int n = 0; n < 10; ++n) clock.push_back({0.1 * n, 0.1 * n + 0.05});
        rig.set("length", 1).set("fader-1", 0).set("fader-2", 80).set("slew", 50).pulses("clock", clock).run(0.59);
        // 4 V in half of a tenth of a second, in a straight line.
        QVERIFY(std::abs(at(rig.out("cv"), 0.525) - 2.0) < 0.01);
        QVERIFY(std::abs(at(rig.out("cv"), 0.551) - 4.0) < 1e-4);
    }

    /// 14: an echo's time arrives.
    void theEchoReachesItsTime() {
        Rig rig("echo");
        rig.set("time", 1.0).set("feedback", 0).set("mix", 100).run(0.1);
        rig.set("time", 2.0).pulses("left", {{3.0, 3.0005}}).run(6.0);
        const auto rises = risingEdges(rig.out("left-out"), 96000.0, 1.5);
        QVERIFY(!rises.empty());
        QVERIFY2(std::abs(rises.front() - 5.0) < 2e-5, qPrintable(QString::number(rises.front(), 'g', 9)));
    }

    /// 15: sustain follows its CV sample by sample.
    void sustainHasNoStairs() {
        Rig rig("contour");
        rig.set("sustain", 50).set("sustain-amount", 100).set("attack", 0.001).set("decay", 0.001);
        rig.feed("sustain-cv", [](double t) { return std::sin(6.283185307 * 20.0 * t); });
        rig.pulses("gate", {{0.01, 2.0}}).run(1.0);
        const auto& out = rig.out("out");
        for (std::size_t i = 48000; i < 90000; ++i) {
            const double expected =
                8.0 * (0.5 + 0.125 * std::sin(6.283185307 * 20.0 * static_cast<double>(i) / 96000.0));
            QVERIFY(std::abs(static_cast<double>(out[i]) - expected) < 1e-3);
        }
    }

    /// 16: as many pulses as there are come out of the delay.
    void theDelayKeepsEveryPulse() {
        Rig rig("logic");
        std::vector<Pulse> pulses;
        for (int n = 0; n < 600; ++n) pulses.push_back({0.001 * n, 0.001 * n + 0.0005});
        rig.set("delay", 1.0).pulses("a", pulses).run(2.0);
        QCOMPARE(rig.rising("delayed").size(), std::size_t{600});
    }

    /// 17: four voices to mono leaves no gate standing.
    void changingTheModeLetsGo() {
        Rig rig("keys");
        rig.setup.material.performance = performance({{0.0, on(60)}, {0.1, on(64)}, {0.2, on(67)}});
        rig.set("mode", 4).run(0.5);
        QVERIFY(rig.out("gate-3").back() > 4.0f);
        rig.set("mode", 0).run(0.1);
        for (const char* gate : {"gate-1", "gate-2", "gate-3", "gate-4"}) QVERIFY(rig.out(gate).back() < 1.0f);
    }

    /// 18 and 19: a patch comes back as it was, down to what rests carry and keys nobody knows.
    void patchesComeBackWhole() {
        Patch patch = lamp();
        Pattern pattern = *patch.patterns.front();
        Step rest{Step::Kind::Rest, 60, 0.5, true, 90, 2.5, true, 0.25, 3};
        Step tie{Step::Kind::Tie, 64, 0.75, false, 100, -1.0, true, 0.5, 1};
        pattern.tracks[0].steps = {rest, tie, Step{Step::Kind::Note, 61}};
        patch = *applyEdit(patch, SetPattern{pattern});
        const auto again = readPatch(writePatch(patch));
        QVERIFY2(again, again ? "" : again.error().text().c_str());
        QVERIFY(*again == patch);

        std::string text = writePatch(patch);
        const auto put = [&](const std::string& behind, const std::string& key) {
            const auto place = text.find(behind);
            QVERIFY2(place != std::string::npos, behind.c_str());
            text.insert(place + behind.size(), "\"" + key + "\": [1, {\"deep\": true}], ");
        };
        put("\"patterns\": [\n    {\n      ", "future-pattern");
        put("\"tracks\": [\n        {\n          ", "future-track");
        put("\"lanes\": [\n        {\n          ", "future-lane");
        text.insert(text.rfind('}'),
                    R"(, "headings": [{"voice": "v", "step": "s", "folded": true, "future-heading": 1}],
            "controllers": [{"number": 1, "post": "out", "knob": "level", "future-controller": 1}],
            "settings": [{"name": "A", "posts": [{"id": "out", "knobs": {"level": -3}, "future-post": 1}], "future-setting": 2}])");
        const auto read = readPatch(text);
        QVERIFY2(read, read ? "" : read.error().text().c_str());
        const std::string back = writePatch(*read);
        for (const char* key : {"future-pattern", "future-track", "future-lane", "future-heading", "future-controller",
                                "future-post", "future-setting"})
            QVERIFY2(back.find(key) != std::string::npos, key);
    }

    /// 20: wirings with many ways through them are ordered at once.
    void manyWaysAreNoWalk() {
        PatchMaker maker;
        Patch patch = maker.make();
        std::vector<std::string> ids;
        for (int n = 0; n < 40; ++n) {
            const std::string id = "m" + std::to_string(n);
            patch.posts.push_back({id, id, id, "gangway-mixer", "mixer", {}, {}, {}});
            if (n > 0)
                for (int in = 1; in <= 4; ++in)
                    patch.cables.push_back({patch.freshCableId(),
                                            {"m" + std::to_string(n - 1), "mix"},
                                            {id, "in-" + std::to_string(in)},
                                            {},
                                            {},
                                            {},
                                            0,
                                            {},
                                            {}});
        }
        const auto found = findingsIn(patch, 0.1);
        Q_UNUSED(found);
    }

    /// 21: a grain of a frozen line stays behind the newest sample.
    void frozenGrainsAreMoving() {
        Rig rig("granular");
        rig.set("mix", 100).set("density", 4).set("size", 0.5).set("position", 0).set("scatter", 0).set("pitch", 12);
        rig.feed("left", [](double t) { return 4.0 * std::sin(6.283185307 * 300.0 * t); }).run(2.0);
        rig.set("freeze", 1).run(2.0);
        const auto level = measureLevel(std::span(rig.out("left-out")).last(96000));
        QVERIFY(level.rms.value > 0.2);
        QVERIFY(std::abs(level.mean.value) < 0.05 * level.rms.value); // one that stands at a sample is DC
    }

    /// 24: clocks of the MIDI converter are high for half their period; controllers stay on their channel.
    void midiClocksAndChannels() {
        Rig rig("midi-to-cv");
        std::vector<PlayedMessage> messages{{0.0, {0xFA, 0, 0}}};
        for (int n = 0; n < 97; ++n) messages.push_back({0.1 + n / 24.0, {0xF8, 0, 0}});
        rig.setup.material.performance = performance(messages, 0.0, 120.0);
        rig.run(2.3);
        QCOMPARE(rig.rising("clock").size(), std::size_t{97});
        const auto& falls = rig.falling("clock");
        for (std::size_t n = 2; n < 90; ++n)
            QVERIFY2(std::abs(falls[n] - rig.rising("clock")[n] - 0.5 / 48.0) < 2e-5, qPrintable(QString::number(n)));
        Rig channels("midi-to-cv");
        channels.set("mode", 4); // voice on channel 1, drums on 10
        channels.setup.material.performance =
            performance({{0.0, on(60)}, {0.1, {0xB1, 1, 127}}, {0.1, {0xE1, 0, 127}}, {0.1, {0xD4, 100, 0}}});
        channels.run(0.5);
        QVERIFY(std::abs(channels.out("pitch-1").back()) < 1e-6f);
        QVERIFY(std::abs(channels.out("cv-2").back()) < 1e-6f);
        QVERIFY(std::abs(channels.out("cv-4").back()) < 1e-6f);
    }

    /// 24: track & hold follows until its gate falls, and not a sample less; the same inside a loop.
    void trackAndHoldIsExact() {
        for (const bool loop : {false, true}) {
            Rig rig("sample-hold");
            if (loop) rig.inLoop();
            rig.feed("in", [](double t) { return 4.0 * std::sin(6.283185307 * 100.0 * t); });
            rig.pulses("trigger", {{0.01, 0.0205}}).run(0.05);
            const double held = 4.0 * std::sin(6.283185307 * 100.0 * 0.0205);
            QVERIFY2(std::abs(at(rig.out("tracked"), 0.04) - held) < 0.03, qPrintable(QString::number(held)));
        }
    }

    /// 24: first-order lags arrive, at every rate of the engine.
    void lagsArriveAtEveryRate() {
        for (const double rate : {48000.0, 96000.0, 192000.0}) {
            Rig slew("slew", rate);
            slew.set("law", 1).set("rise", 2.0).feed("in", 4.0).run(4.0);
            QVERIFY(std::abs(slew.out("out").back() - 4.0f * static_cast<float>(1.0 - std::exp(-10.0))) < 2e-5f);
            Rig linear("slew", rate);
            linear.set("rise", 5.0).feed("in", 8.0).run(2.0);
            QVERIFY2(std::abs(at(linear.out("out"), 1.999, rate) - 3.998) < 1e-3,
                     qPrintable(QString::number(at(linear.out("out"), 1.999, rate))));
            Rig blocker("dc-blocker", rate);
            blocker.set("cutoff", 2).feed("left", 5.0).run(3.0);
            QVERIFY(std::abs(blocker.out("left-out").back()) < 1e-5f);
            Rig droop("sample-hold", rate);
            droop.set("droop", 50).feed("in", 4.0).pulses("trigger", {{0.01, 0.02}}).run(1.01);
            QVERIFY(std::abs(droop.out("held").back() - 4.0f * static_cast<float>(std::exp(-0.5))) < 2e-3f);
        }
    }

    /// 24: rectifier and extremes of slow voltages.
    void slowVoltagesAreRectifiedExactly() {
        Rig rig("rectifier");
        rig.feed("a", [](double t) { return 3.0 + 0.5 * t; })
            .feed("b", [](double t) { return 3.3 - 0.5 * t; })
            .run(1.0);
        for (std::size_t i = 100; i < 96000; i += 37) {
            const double t = (static_cast<double>(i) - 0.5) / 96000.0; // the mean of two samples
            QVERIFY(std::abs(static_cast<double>(rig.out("full")[i]) - (3.0 + 0.5 * t)) < 1e-5);
            QVERIFY(std::abs(static_cast<double>(rig.out("max")[i]) - std::max(3.0 + 0.5 * t, 3.3 - 0.5 * t)) < 1e-4);
        }
    }

    /// 24: divisions of a square and of a saw at pitches that share nothing with the rate, at 10 V.
    void dividersAreCleanAtIncommensurablePitches() {
        for (const char* wave : {"pulse", "saw"}) {
            Patch patch;
            patch.caseId = "tower-case";
            patch.posts = {{"osc", "Osc", "osc", "anchor-vco", "osc", {}, {{"octave", 6.0}, {"fine", 2.5637}}, {}},
                           {"by", "By", "by", "capstan-divider", "divider", {}, {{"level", 10.0}}, {}}};
            patch.cables = {{1, {"osc", wave}, {"by", "clock"}, {}, {}, {}, 0, {}, {}}};
            RenderOptions options;
            options.seconds = 2.0;
            options.probes = {{"by", "out-1"}, {"by", "out-2"}, {"by", "out-4"}};
            const auto made = render(*checkPatch(patch, workspace().library), workspace().library, options);
            QVERIFY2(made, made ? "" : made.error().text().c_str());
            const double hertz = 261.6255653 * std::exp2(2.0 + 2.5637 / 12.0);
            for (const auto& [jack, by] : {std::pair{"out-1", 2}, {"out-2", 3}, {"out-4", 5}}) {
                const auto line = std::span(made->probes.at({"by", jack})).last(131072);
                QVERIFY(measureLevel(line).max.value > 10.3); // the overshoot stands
                const Spectrum spectrum = measureSpectrum(line, 96000.0);
                const double own = spectrum.at(hertz / by);
                double worst = 0.0;
                for (std::size_t bin = 20; static_cast<double>(bin) * spectrum.binHertz < 18000.0; ++bin) {
                    const double f = static_cast<double>(bin) * spectrum.binHertz;
                    const double n = f / (hertz / by);
                    if (std::abs(n - std::round(n)) * hertz / by > 8.0 * spectrum.binHertz)
                        worst = std::max(worst, static_cast<double>(spectrum.amplitude[bin]));
                }
                const double floor = 20.0 * std::log10(worst / own);
                qInfo("%s divided by %d: %.1f dB", wave, by, floor);
                QVERIFY2(floor < -85.0, qPrintable(QString::number(floor)));
            }
        }
    }

    /// 24: filters sing at about five volts, and soon.
    void filtersSing() {
        Rig svf("svf");
        svf.set("cutoff", 38).set("resonance", 100).run(4.0);
        QVERIFY(std::abs(measureLevel(std::span(svf.out("band")).last(96000)).peak().value - 5.0) < 0.2);
        QVERIFY(measureLevel(std::span(svf.out("band")).subspan(144000, 9600)).peak().value > 4.0); // at 1.5 s
        Rig ladder("ladder");
        ladder.set("cutoff", 440).set("resonance", 100).run(4.0);
        const double sung = measureLevel(std::span(ladder.out("four")).last(48000)).peak().value;
        QVERIFY2(std::abs(sung - 5.0) < 0.5, qPrintable(QString::number(sung)));
    }

    /// 24: an LFO is a voltage within ±5 V; its eight-phase sister has its knob neutral in the middle.
    void slowWavesStayWithinTheirJack() {
        Rig lfo("lfo");
        lfo.set("rate", 3).run(2.0);
        for (const char* wave : {"saw", "square"}) {
            const auto level = measureLevel(std::span(lfo.out(wave)).last(150000));
            QVERIFY(level.peak().value <= 5.0001 && level.peak().value > 4.99);
        }
        Rig tapped("phase-lfo");
        tapped.set("rate", 1.58113883).pulses("tap", {{0.1, 0.11}, {0.6, 0.61}}).run(4.0);
        const auto rises = risingEdges(tapped.out("phase-0"), 96000.0, 0.0);
        QVERIFY(std::abs(rises.back() - rises[rises.size() - 2] - 0.5) < 1e-3);
    }

    /// 24: a step below a semitone is none.
    void aStepIsASemitone() {
        for (const auto& [millivolts, fires] : {std::pair{74.0, false}, {81.0, false}, {83.4, true}}) {
            Rig rig("comparator");
            rig.feed("a", [v = millivolts](double t) { return t < 0.1 ? 1.0 : 1.0 + 0.001 * v; }).run(0.3);
            QCOMPARE(!rig.rising("step").empty(), fires);
        }
    }

    /// 24: two tones, a chord and noise have no pitch; a tone has one however quiet, and its partials are right.
    void onlyATonehasAPitch() {
        const double rate = 48000.0;
        const auto sum = [&](std::vector<std::pair<double, double>> tones) {
            std::vector<float> out(96000, 0.0f);
            for (const auto& [hertz, size] : tones)
                for (std::size_t i = 0; i < out.size(); ++i)
                    out[i] +=
                        static_cast<float>(size * std::sin(6.283185307179586 * hertz * static_cast<double>(i) / rate));
            return out;
        };
        QVERIFY(!measureTone(sum({{440.0, 0.3}, {527.0, 0.3}}), rate));
        QVERIFY(!measureTone(sum({{261.6, 0.2}, {329.6, 0.2}, {392.0, 0.2}}), rate));
        std::mt19937 random(2);
        std::vector<float> noise(96000);
        for (float& v : noise) v = std::uniform_real_distribution<float>(-0.5f, 0.5f)(random);
        QVERIFY(!measureTone(noise, rate));
        for (const double size : {0.9, 0.04, 0.001}) {
            const auto tone = measureTone(sum({{443.21, size}, {886.42, 0.3 * size}}), rate);
            QVERIFY(tone && std::abs(tone->hertz.value / 443.21 - 1.0) < 1e-5);
        }
        const Spectrum spectrum = measureSpectrum(sum({{443.21, 0.5}, {1771.9, 0.1}}), rate);
        const auto peaks = spectrum.strongest(4);
        QCOMPARE(peaks.size(), std::size_t{2});
        QVERIFY(std::abs(20.0 * std::log10(peaks[0].amplitude / 0.5)) < 0.03);
        QVERIFY(std::abs(20.0 * std::log10(peaks[1].amplitude / 0.1)) < 0.03);
        QVERIFY(std::abs(peaks[1].hertz - 1771.9) < 0.05);
    }
};

QTEST_GUILESS_MAIN(TruthTest)
#include "truth_test.moc"
