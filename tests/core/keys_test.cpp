// Keys, the MIDI converter and its chain, the pad, and MIDI files.
#include "blocks/time/midi_modes.h"
#include "building/capacity.h"
#include "library/midi_file.h"
#include "library/midi_table.h"
#include "support/analysis.h"
#include "support/patches.h"
#include "support/rig.h"
#include "timing/gesture.h"

#include <QFile>
#include <QTemporaryDir>
#include <QtTest>

#include <cmath>
#include <random>

using namespace lariat;
using namespace lariat::test;

namespace {

MidiMessage on(int note, int velocity = 100, int channel = 0) {
    return {static_cast<std::uint8_t>(0x90 | channel), static_cast<std::uint8_t>(note),
            static_cast<std::uint8_t>(velocity)};
}
MidiMessage off(int note, int channel = 0) {
    return {static_cast<std::uint8_t>(0x80 | channel), static_cast<std::uint8_t>(note), 0};
}

/// Beats are half seconds.
std::shared_ptr<const Performance> played(std::vector<PlayedMessage> messages, double length = 0.0) {
    return std::make_shared<const Performance>(Performance{"keys", 120.0, length, std::move(messages)});
}

double at(const Rig& rig, const char* jack, double seconds) {
    return static_cast<double>(rig.out(jack)[static_cast<std::size_t>(seconds * 96000)]);
}

} // namespace

class KeysTest : public QObject {
    Q_OBJECT

  private Q_SLOTS:
    /// The feet: a latch holds what is let go until it comes up; a glide is heard only while it is down.
    void feetLatchAndGlideWhileTheyAreDown() {
        const auto foot = [](int which, bool down) {
            return MidiMessage{0xB0, static_cast<std::uint8_t>(which), static_cast<std::uint8_t>(down ? 127 : 0)};
        };
        Rig rig("keys");
        rig.setup.material.performance = played({{0.2, on(60)},
                                                 {0.4, foot(64, true)},
                                                 {0.6, off(60)},
                                                 {1.0, foot(64, false)},
                                                 {1.4, on(64)},
                                                 {1.6, off(64)}});
        rig.run(1.0);
        QCOMPARE(rig.falling("gate-1").size(), std::size_t{2});
        QVERIFY(std::abs(rig.falling("gate-1")[0] - 0.5) < 1e-4); // the foot, not the key
        QVERIFY(std::abs(rig.falling("gate-1")[1] - 0.8) < 1e-4);

        Rig glides("keys");
        glides.setup.material.performance = played({{0.0, on(60)},
                                                    {0.2, on(72)},
                                                    {1.0, foot(65, false)},
                                                    {1.2, on(60)},
                                                    {2.0, foot(65, true)},
                                                    {2.2, on(72)}});
        glides.set("glide", 0.2).run(1.5);
        QVERIFY(std::abs(at(glides, "pitch-1", 0.2) - 0.5) < 0.01); // nobody spoke of feet: the knob alone
        QVERIFY(std::abs(at(glides, "pitch-1", 0.61)) < 1e-6);      // up: at once
        QVERIFY(std::abs(at(glides, "pitch-1", 1.2) - 0.5) < 0.01); // down: in a straight line again

        // Low + high: the interval stays while the foot is down.
        Rig duo("keys");
        duo.setup.material.performance = played({{0.2, on(60)},
                                                 {0.4, on(67)},
                                                 {0.6, foot(64, true)},
                                                 {0.8, off(67)},
                                                 {1.2, foot(64, false)},
                                                 {1.4, on(62)},
                                                 {1.6, off(62)}});
        duo.set("mode", 3).run(1.0);
        QVERIFY(std::abs(at(duo, "pitch-2", 0.5) - 7.0 / 12.0) < 1e-6);
        QVERIFY(std::abs(at(duo, "pitch-2", 0.9)) < 1e-6);
    }

    /// The same by gates at the jacks: as long as they are high, and with a plug in, glides wait for the foot.
    void feetAtTheJacks() {
        Rig rig("keys");
        rig.setup.material.performance = played({{0.2, on(60)}, {0.6, off(60)}, {1.4, on(64)}, {1.6, off(64)}});
        rig.pulses("latch", {{0.2003, 0.5017}}).run(1.0);
        QCOMPARE(rig.falling("gate-1").size(), std::size_t{2});
        QVERIFY(std::abs(rig.falling("gate-1")[0] - 0.5017) < 2e-5);
        QVERIFY(std::abs(rig.falling("gate-1")[1] - 0.8) < 1e-4);
        const auto halfWay = [](std::vector<Pulse> foot, bool plug) {
            Rig keys("keys");
            keys.setup.material.performance = played({{0.0, on(60)}, {0.4, on(72)}});
            keys.set("glide", 0.2);
            if (plug) keys.pulses("glide", std::move(foot));
            keys.run(0.6);
            return at(keys, "pitch-1", 0.3);
        };
        QVERIFY(std::abs(halfWay({}, false) - 0.5) < 0.02);          // no foot: it glides
        QVERIFY(std::abs(halfWay({}, true) - 1.0) < 1e-5);           // up: it does not
        QVERIFY(std::abs(halfWay({{0.1, 0.5}}, true) - 0.5) < 0.02); // down: it does
        // Low and high: the interval stays while the foot is down.
        Rig two("keys");
        two.set("mode", 3);
        two.setup.material.performance =
            played({{0.0, on(60)}, {0.1, on(67)}, {0.4, off(67)}, {0.8, off(60)}, {0.8, on(62)}});
        two.pulses("latch", {{0.15, 0.55}}).run(0.8);
        QVERIFY(std::abs(at(two, "pitch-2", 0.5) - 9.0 / 12.0) < 1e-5); // 62 + 7
    }

    /// Pressure of the key that was pressed last is heard, that of another one is not.
    void pressureOfAKey() {
        Rig rig("keys");
        rig.setup.material.performance =
            played({{0.0, on(60)}, {0.2, on(64)}, {0.4, {0xA0, 64, 100}}, {0.6, {0xA0, 60, 20}}});
        rig.run(0.5);
        QVERIFY(std::abs(at(rig, "pressure", 0.25) - 8.0 * 100.0 / 127.0) < 1e-4);
        QVERIFY(std::abs(at(rig, "pressure", 0.45) - 8.0 * 100.0 / 127.0) < 1e-4);
    }

    void monoModesChooseTheirNote_data() {
        QTest::addColumn<double>("mode");
        QTest::addColumn<double>("volts");
        QTest::newRow("last") << 0.0 << 7.0 / 12.0;
        QTest::newRow("lowest") << 1.0 << 0.0;
        QTest::newRow("highest") << 2.0 << 1.0;
    }
    void monoModesChooseTheirNote() {
        QFETCH(double, mode);
        QFETCH(double, volts);
        Rig rig("keys");
        rig.setup.material.performance =
            played({{0.2, on(60)}, {0.4, on(72)}, {0.6, on(67)}, {2.0, off(72)}, {2.2, off(67)}, {2.4, off(60)}});
        rig.set("mode", mode).run(1.5);
        QVERIFY(std::abs(at(rig, "pitch-1", 0.5) - volts) < 1e-6);
        QVERIFY(std::abs(at(rig, "pitch-1", 1.15)) < 1e-6); // the last key that is left
        QCOMPARE(rig.rising("gate-1").size(), std::size_t{1});
        QVERIFY(std::abs(rig.rising("gate-1").front() - 0.1) < 1e-5);
        QVERIFY(std::abs(rig.falling("gate-1").front() - 1.2) < 1e-5);
    }

    void twoNotesWithALatchedInterval() {
        Rig rig("keys");
        rig.setup.material.performance =
            played({{0.1, on(48)}, {0.2, on(55)}, {1.0, off(55)}, {1.2, on(50)}, {1.3, off(48)}});
        rig.set("mode", 3).set("latch", 1).run(1.0);
        QVERIFY(std::abs(at(rig, "pitch-1", 0.3) + 1.0) < 1e-6);
        QVERIFY(std::abs(at(rig, "pitch-2", 0.3) + 5.0 / 12.0) < 1e-6);
        QVERIFY(std::abs(at(rig, "pitch-2", 0.55) + 5.0 / 12.0) < 1e-6); // the interval stays
    }

    void theUpperNoteLags() {
        Rig rig("keys");
        rig.setup.material.performance = played({{0.1, on(48)}, {0.1, on(60)}, {1.0, on(72)}});
        rig.set("mode", 3).set("upper-lag", 0.2).run(1.0);
        QVERIFY(std::abs(at(rig, "pitch-2", 0.6) - 0.5) < 0.01); // half way after 0.1 s of 0.2 s
        QVERIFY(std::abs(at(rig, "pitch-2", 0.75) - 1.0) < 1e-6);
        QVERIFY(std::abs(at(rig, "pitch-1", 0.6) + 1.0) < 1e-6);
    }

    void fourVoicesTakeTurnsAndStealTheOldest() {
        figure("keys", "pitch within 1 µV, gates within 10 µs, four allocations exact");
        std::vector<PlayedMessage> messages;
        for (int n = 0; n < 5; ++n) messages.push_back({0.2 * n, on(60 + n)});
        Rig rig("keys");
        rig.setup.material.performance = played(messages);
        rig.set("mode", 4).run(1.0);
        QVERIFY(std::abs(at(rig, "pitch-1", 0.9) - 4.0 / 12.0) < 1e-6); // the first voice was the oldest
        for (int v = 1; v < 4; ++v)
            QVERIFY(std::abs(at(rig, ("pitch-" + std::to_string(v + 1)).c_str(), 0.9) - v / 12.0) < 1e-6);
        QCOMPARE(rig.rising("gate-1").size(), std::size_t{2});
    }

    void bendVelocityModulationPressure() {
        Rig rig("keys");
        rig.setup.material.performance =
            played({{0.0, on(60, 127)}, {0.2, {0xE0, 0x7F, 0x7F}}, {0.4, {0xB0, 1, 127}}, {0.6, {0xD0, 64, 0}}});
        rig.set("bend-range", 12).run(0.5);
        QVERIFY(std::abs(at(rig, "velocity", 0.4) - 8.0) < 1e-5);
        QVERIFY(std::abs(at(rig, "pitch-1", 0.4) - 1.0) < 2e-4);
        QVERIFY(std::abs(at(rig, "modulation", 0.4) - 8.0) < 1e-5);
        QVERIFY(std::abs(at(rig, "pressure", 0.4) - 8.0 * 64 / 127) < 1e-4);
    }

    void aLoopPlaysAgain() {
        Rig rig("keys");
        rig.setup.material.performance = played({{0.0, on(60)}, {0.5, off(60)}}, 1.0);
        rig.run(2.99);
        QCOMPARE(rig.rising("gate-1").size(), std::size_t{6});
    }

    void notesPlayedByHandAreHeard() {
        Rig rig("keys");
        rig.run(0.1);
        rig.transport.played[0] = {0.0f, on(69)};
        rig.transport.playedCount = 1;
        rig.run(0.001);
        rig.transport.playedCount = 0;
        rig.run(0.1);
        QVERIFY(std::abs(static_cast<double>(rig.out("pitch-1").back()) - 0.75) < 1e-6);
        QVERIFY(rig.out("gate-1").back() > 5.0f);
    }

    /// Two units in a chain: the first four notes are the first one's, the next four the second one's.
    void whatOverflowsGoesToTheNextUnit() {
        figure("midi-to-cv", "nine notes over two linked units exact; table and ports agree");
        std::vector<PlayedMessage> messages;
        for (int n = 0; n < 9; ++n) messages.push_back({0.1 * n, on(60 + n)});
        Rig first("midi-to-cv");
        Rig second("midi-to-cv");
        first.setup.material.performance = second.setup.material.performance = played(messages);
        first.setup.chainLength = second.setup.chainLength = 2;
        second.setup.chainPlace = 1;
        first.set("mode", 2).run(0.6);
        second.set("mode", 2).run(0.6);
        for (int v = 0; v < 4; ++v) {
            const std::string jack = "pitch-" + std::to_string(v + 1);
            const double own = v == 0 ? 8.0 : v; // the ninth note takes the oldest voice, the first unit's first
            QVERIFY(std::abs(at(first, jack.c_str(), 0.5) - own / 12.0) < 1e-6);
            QVERIFY(std::abs(at(second, jack.c_str(), 0.5) - (v + 4) / 12.0) < 1e-6);
        }
    }

    void aChannelEachAndDrums() {
        Rig rig("midi-to-cv");
        rig.setup.material.performance = played({{0.1, on(60, 100, 0)}, {0.2, on(72, 100, 2)}, {0.3, on(36, 100, 9)}});
        rig.set("mode", 3).run(0.3);
        QVERIFY(std::abs(at(rig, "pitch-3", 0.2) - 1.0) < 1e-6);
        QVERIFY(std::abs(at(rig, "pitch-1", 0.2)) < 1e-6);
        Rig drums("midi-to-cv");
        drums.setup.material.performance = rig.setup.material.performance;
        drums.set("mode", 4).run(0.3);
        QCOMPARE(drums.rising("gate-2").size(), std::size_t{1});
        QVERIFY(std::abs(drums.rising("gate-2").front() - 0.15) < 1e-5);
    }

    void midiClockBecomesPulses() {
        std::vector<PlayedMessage> messages = {{0.0, {0xFA, 0, 0}}};
        for (int n = 0; n < 96; ++n) messages.push_back({n / 24.0, {0xF8, 0, 0}});
        messages.push_back({4.0, {0xFC, 0, 0}});
        Rig rig("midi-to-cv");
        rig.setup.material.performance = played(messages);
        rig.set("mode", 0).run(2.5);
        QCOMPARE(rig.rising("clock").size(), std::size_t{96});
        QCOMPARE(rig.rising("gate-2").size(), std::size_t{4});
        QCOMPARE(rig.rising("gate-3").size(), std::size_t{16});
        QVERIFY(std::abs(rig.falling("run").front() - 2.0) < 1e-4);
    }

    void theTableSaysWhatTheModeDoes() {
        const std::string table = midiTable(midiModes()[2]);
        QVERIFY(table.find("pitch-4") != std::string::npos && table.find("pitch of voice 4") != std::string::npos);
        QVERIFY(midiTable(midiModes()[4]).find("channel 10") != std::string::npos);
    }

    /// Every mode has all ports once, and no port gives what no voice plays.
    void allTablesAreWhole() {
        QVERIFY(midiModes().size() >= 12);
        for (const MidiMode& mode : midiModes()) {
            for (std::size_t p = 0; p < kMidiPorts; ++p) {
                const MidiPort& port = mode.ports[p];
                QCOMPARE(std::string(port.port), std::string(midiPortIds()[p]));
                if (port.gives == MidiFunction::Pitch || port.gives == MidiFunction::Gate ||
                    port.gives == MidiFunction::Velocity)
                    QVERIFY2(port.index < mode.voices, mode.name);
            }
            const MidiMode found = withVoices(mode);
            QCOMPARE(found.voices, mode.voices);
            QCOMPARE(found.perChannel, mode.perChannel);
        }
    }

    /// Free controllers by number, any controller in a table of its own, the hold pedal as a gate.
    void controllersAndHold() {
        Rig rig("midi-to-cv");
        rig.setup.material.performance =
            played({{0.1, {0xB0, 74, 127}}, {0.1, {0xB0, 20, 64}}, {0.2, {0xB0, 64, 127}}, {0.6, {0xB0, 64, 20}}});
        rig.set("mode", 5).set("controller-a", 20).set("controller-b", 74).run(0.4);
        QVERIFY(std::abs(at(rig, "cv-1", 0.2) - 8.0 * 64 / 127) < 1e-5);
        QVERIFY(std::abs(at(rig, "cv-2", 0.2) - 8.0) < 1e-5);
        QVERIFY(std::abs(rig.rising("gate-2").front() - 0.1) < 1e-5);
        QVERIFY(std::abs(rig.falling("gate-2").front() - 0.3) < 1e-5);

        const auto gives = [](MidiFunction f) { return static_cast<double>(f); };
        Rig own("midi-to-cv");
        own.setup.material.performance = played({{0.0, {0xFA, 0, 0}},
                                                 {0.1, on(60, 100, 4)},
                                                 {0.1, on(67, 100, 6)},
                                                 {0.2, on(40, 100, 9)},
                                                 {0.2, {0xB0, 91, 127}}});
        own.set("mode", static_cast<double>(midiModes().size()));
        own.set("channel-pitch-1", 5).set("number-pitch-1", 1);
        own.set("gives-pitch-2", gives(MidiFunction::Pitch)).set("channel-pitch-2", 7).set("number-pitch-2", 2);
        own.set("channel-gate-1", 5).set("number-gate-1", 1);
        own.set("gives-gate-2", gives(MidiFunction::Drum)).set("channel-gate-2", 10).set("number-gate-2", 40);
        own.set("gives-cv-4", gives(MidiFunction::Controller)).set("number-cv-4", 91);
        own.set("gives-run", gives(MidiFunction::None));
        own.run(0.4);
        QVERIFY(std::abs(at(own, "pitch-1", 0.3)) < 1e-6);
        QVERIFY(std::abs(at(own, "pitch-2", 0.3) - 7.0 / 12.0) < 1e-6);
        QCOMPARE(own.rising("gate-1").size(), std::size_t{1});
        QVERIFY(std::abs(own.rising("gate-2").front() - 0.1) < 1e-5);
        QVERIFY(std::abs(at(own, "cv-4", 0.3) - 8.0) < 1e-5);
        QVERIFY(own.rising("run").empty());
    }

    /// Changing one port of a table makes it the post's own, and leaves all others as they were.
    void aTableBecomesItsOwn() {
        const Patch empty = PatchMaker("tower-case").make();
        const auto free = freeParts(empty, workspace().library, workspace().housing(empty), "midi-to-cv");
        QVERIFY(!free.empty());
        Patch patch = PatchMaker("tower-case")
                          .post("midi", free.front().slot->id, free.front().part->id)
                          .knob("midi", "mode", 2)
                          .make();
        const PartInfo& part = *workspace().library.part(patch.posts[0]);
        const MidiMode before = *midiTableOf(patch.posts[0], part);
        QVERIFY(!hasOwnMidiTable(patch.posts[0], part));
        const auto edits = changeMidiPort(patch.posts[0], part, 7, {"", 3, MidiFunction::Controller, 12});
        QVERIFY(edits);
        patch = *applyEdits(patch, *edits);
        QVERIFY(hasOwnMidiTable(patch.posts[0], part));
        const MidiMode after = *midiTableOf(patch.posts[0], part);
        for (std::size_t p = 0; p < kMidiPorts; ++p) {
            const MidiPort& wanted = before.ports[p];
            if (p == 7) continue;
            QVERIFY2(after.ports[p].gives == wanted.gives && after.ports[p].channel == wanted.channel &&
                         after.ports[p].index == wanted.index,
                     wanted.port);
        }
        QCOMPARE(functionText(after.ports[7]).str(), std::string("controller 12"));
        QCOMPARE(channelText(after.ports[7]).str(), std::string("channel 3"));
        QCOMPARE(after.voices, 4);
        QCOMPARE(std::ranges::count_if(part.knobs, [&](const KnobInfo& k) { return !inMidiTable(part, k); }), 3);
        QVERIFY(!changeMidiPort(lamp().posts[0], *workspace().library.part(lamp().posts[0]), 0, {}));
    }

    void thePadFollowsItsGesture() {
        figure("pad", "gesture within 10 mV, touch within 10 µs");
        Rig rig("pad");
        rig.setup.material.performance =
            played({{0.2, {0xB0, 16, 127}}, {0.2, {0xB0, 48, 127}}, {0.4, on(60)}, {0.8, off(60)}});
        rig.set("y", -50).run(0.6);
        QVERIFY(std::abs(at(rig, "x", 0.5) - 5.0) < 0.01);
        QVERIFY(std::abs(at(rig, "x-inverted", 0.5) + 5.0) < 0.01);
        QVERIFY(std::abs(at(rig, "y", 0.5) + 2.5) < 0.01);
        QVERIFY(std::abs(rig.falling("touch").front() - 0.4) < 1e-5);
    }

    /// What hands did becomes a loop: whole beats where a clock runs, nothing left held, nothing that is not its own.
    void aGestureBecomesALoop() {
        const std::vector<TimedMessage> hands = {
            {0.0, on(60)}, {0.2, {0xB0, 1, 70}}, {0.31, off(60)},        {0.4, off(72)}, // struck before
            {0.5, on(64)}, {0.6, {0xF8, 0, 0}},  {0.7, {0xB0, 16, 100}}, {0.71, {0xB0, 48, 3}}, {1.9, on(67)}};
        GestureTake take{.post = "keys", .tempo = 120.0, .seconds = 1.66, .toBeats = true};
        const Performance keys = gestureOf(take, hands);
        QCOMPARE(keys.lengthBeats, 3.0); // 3.32 beats
        QCOMPARE(keys.messages.size(), std::size_t{5});
        QCOMPARE(keys.messages[1].beat, 0.4);
        QVERIFY(keys.messages.back().message == off(64) && keys.messages.back().beat == 3.0);
        take.toBeats = false;
        QVERIFY(std::abs(gestureOf(take, hands).lengthBeats - 3.32) < 1e-9);
        take.pad = true;
        const Performance pad = gestureOf(take, hands);
        QCOMPARE(pad.messages.size(), std::size_t{6}); // two strikes, their ends, and the two halves of x
        take.seconds = 0.01;
        take.toBeats = true;
        QCOMPARE(gestureOf(take, hands).lengthBeats, 1.0); // never nothing
        const std::vector<TimedMessage> many(kMaxMessages + 100, {0.1, {0xB0, 1, 1}});
        take.pad = false;
        QVERIFY(gestureOf(take, many).messages.size() <= kMaxMessages);
        // It survives the file, and plays: the pad follows it.
        Rig rig("pad");
        GestureTake moved{.post = "pad", .pad = true, .tempo = 120.0, .seconds = 0.5, .toBeats = true};
        rig.setup.material.performance = std::make_shared<const Performance>(
            gestureOf(moved, std::vector<TimedMessage>{{0.0, {0xB0, 16, 127}}, {0.25, {0xB0, 16, 0}}}));
        rig.run(1.0);
        for (const double t : {0.2, 0.7}) QVERIFY(at(rig, "x", t) > 4.5); // again in the second round
        for (const double t : {0.45, 0.95}) QVERIFY(at(rig, "x", t) < -4.5);
    }

    void midiFilesComeBackAsTheyWere() {
        QTemporaryDir folder;
        const auto file = folder.filePath(QStringLiteral("a.mid")).toStdString();
        const Performance before{
            "keys", 100.0, 0.0, {{0.0, on(60)}, {0.5, {0xE0, 3, 70}}, {1.25, off(60)}, {2.0, {0xD0, 5, 0}}}};
        QVERIFY(writeMidiFile(file, before));
        const auto after = readMidiFile(file, "keys");
        QVERIFY2(after, after ? "" : after.error().text().c_str());
        QCOMPARE(after->performance.messages.size(), before.messages.size());
        for (std::size_t n = 0; n < before.messages.size(); ++n) {
            QCOMPARE(after->performance.messages[n].beat, before.messages[n].beat);
            QVERIFY(after->performance.messages[n].message.kind() == before.messages[n].message.kind());
        }
        QVERIFY(std::abs(after->performance.tempo - 100.0) < 0.01);
    }

    void midiFilesThatLieAreRefused() {
        QTemporaryDir folder;
        const QString name = folder.filePath(QStringLiteral("lies.mid"));
        QVERIFY(writeMidiFile(name.toStdString(), Performance{"keys", 120.0, 0.0, {{0.0, on(60)}, {1.0, off(60)}}}));
        QFile file(name);
        QVERIFY(file.open(QIODevice::ReadWrite));
        QVERIFY(file.resize(file.size() - 5));
        const auto cut = readMidiFile(name.toStdString(), "keys");
        QVERIFY(!cut && cut.error().text().find("lies.mid") != std::string::npos &&
                cut.error().reason.str().find("claims") != std::string::npos);
        QVERIFY(file.resize(0));
        file.write("not midi at all");
        file.flush();
        QVERIFY(!readMidiFile(name.toStdString(), "keys"));
        QVERIFY(!readMidiFile("/no/such.mid", "keys"));
    }

    /// What is damaged anywhere is refused, with the byte; what is only unusual is read; nothing hangs.
    void hostileMidiFilesAreToldApart() {
        const auto file = [](const std::string& events, std::string division = std::string("\x01\xE0", 2)) {
            std::string size(4, '\0');
            for (int n = 0; n < 4; ++n)
                size[static_cast<std::size_t>(n)] = static_cast<char>(events.size() >> (24 - 8 * n));
            return std::string("MThd\0\0\0\6\0\0\0\1", 12) + division + "MTrk" + size + events;
        };
        const auto bytes = [](std::initializer_list<int> all) {
            std::string out;
            for (const int b : all) out += static_cast<char>(b);
            return out;
        };
        // A track without an end, and running status behind a system message.
        const auto endless = readMidi(file(bytes({0, 0x90, 60, 90, 10, 0xF0, 2, 1, 0xF7, 10, 60, 0})), "keys");
        QVERIFY2(endless, endless ? "" : endless.error().reason.str().c_str());
        QCOMPARE(endless->performance.messages.size(), std::size_t{2});
        QCOMPARE(endless->systemMessages, 1);
        QVERIFY(endless->leftOut().find("1 system message") != std::string::npos);
        const auto marks = readMidi(file(bytes({0, 0xFF, 3, 2, 'h', 'i', 0, 0x90, 60, 90, 0, 0xFF, 0x2F, 0})), "keys");
        QVERIFY(marks && marks->marks == 1 && marks->performance.messages.size() == 1);
        for (const std::string& bad :
             {file(bytes({0, 60, 90})), file(bytes({0, 0x90, 60})), file(bytes({0, 0x90, 200, 90})), file(bytes({0})),
              file(bytes({0xFF, 0xFF, 0xFF, 0xFF, 0xFF, 0x90, 60, 90})), file(bytes({0, 0xF4, 1})),
              file(bytes({0, 0xFF, 0x51, 3, 0, 0, 0})), file(bytes({0, 0x90, 60, 90}), std::string("\0\0", 2)),
              std::string("MThd"), std::string(), std::string("MThd\0\0\0\1\0", 9)}) {
            const auto read = readMidi(bad, "keys");
            QVERIFY(bad.size() > 8 ? !read : (!read || read->performance.messages.empty()));
        }
        // Sixty thousand tracks, and a million notes.
        std::string many("MThd\0\0\0\6\0\1\xFF\xFF\1\xE0", 14);
        for (int n = 0; n < 65535; ++n) many += std::string("MTrk\0\0\0\0", 8);
        QVERIFY(!readMidi(many, "keys"));
        std::string notes;
        for (int n = 0; n < 1'000'000; ++n) notes += bytes({1, 0x90, 60, n % 2 ? 0 : 90});
        const auto tooMany = readMidi(file(notes), "keys");
        QVERIFY(!tooMany && tooMany.error().reason.str().find("200000") != std::string::npos);
        // Every cut and a hundred thousand flipped bytes of a good one.
        const std::string good = file(bytes({0,  0xFF, 0x51, 3,    7, 0xA1, 0x20, 0,    0x90, 60, 90,   0x83, 0x60,
                                             60, 0,    5,    0xE0, 1, 2,    0,    0xC0, 3,    0,  0xFF, 0x2F, 0}));
        QVERIFY(readMidi(good, "keys"));
        for (std::size_t size = 0; size < good.size(); ++size) (void)readMidi(good.substr(0, size), "keys");
        std::mt19937 random(4);
        for (int n = 0; n < 100'000; ++n) {
            std::string flipped = good;
            for (int k = 0; k < 3; ++k) flipped[random() % flipped.size()] = static_cast<char>(random());
            const auto read = readMidi(flipped, "keys");
            if (read)
                for (const PlayedMessage& m : read->performance.messages)
                    QVERIFY(std::isfinite(m.beat) && m.beat >= 0.0);
        }
    }
};

QTEST_GUILESS_MAIN(KeysTest)
#include "keys_test.moc"
