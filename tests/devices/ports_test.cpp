// The real way out and in: a sound system without hardware is started, and what leaves Lariat's ports comes back to
// them.
#include "devices/audio_device.h"
#include "devices/clock_out.h"
#include "devices/midi_input.h"
#include "devices/midi_output.h"
#include "support/eventually.h"

#include <QtTest>

#include <QDeadlineTimer>
#include <QProcess>
#include <QStandardPaths>

#include <jack/jack.h>

#include <atomic>
#include <memory>
#include <mutex>

using namespace lariat;

namespace {

constexpr const char* kServer = "lariat-test";

using Client = std::unique_ptr<jack_client_t, decltype(&jack_client_close)>;
Client connected() {
    return {jack_client_open("onlooker", JackNoStartServer, nullptr), &jack_client_close};
}

} // namespace

class PortsTest : public QObject {
    Q_OBJECT

    QProcess server_;

  private Q_SLOTS:
    void init() {
        if (QStandardPaths::findExecutable("jackd").isEmpty()) QSKIP("jackd is not installed");
        qputenv("JACK_DEFAULT_SERVER", kServer);
        qputenv("JACK_NO_START_SERVER", "1");
        server_.start("jackd", {"-n", kServer, "-r", "-d", "dummy", "-r", "48000", "-p", "256"});
        QVERIFY(server_.waitForStarted());
        const QDeadlineTimer patience(15'000);
        while (!connected() && !patience.hasExpired() && server_.state() == QProcess::Running) QTest::qWait(100);
        if (!connected()) QSKIP("jackd does not run here");
    }
    void cleanup() {
        server_.terminate();
        if (server_.state() != QProcess::NotRunning && !server_.waitForFinished(5000)) server_.kill();
        server_.waitForFinished();
    }

    /// The first MIDI system that the library knows does not run here: the next one is taken.
    void whatLeavesOneOwnPortComesInAtTheOther() {
        std::mutex lock;
        std::vector<MidiMessage> came;
        auto in = openMidiInput(kOwnMidiInput, [&](const MidiMessage& message) {
            const std::lock_guard hold(lock);
            came.push_back(message);
        });
        QVERIFY2(in, in ? "" : in.error().reason.str().c_str());
        auto out = openMidiOutput(kVirtualMidiPort);
        QVERIFY2(out, out ? "" : out.error().reason.str().c_str());
        const Client client = connected();
        const char** from = jack_get_ports(client.get(), "Lariat", JACK_DEFAULT_MIDI_TYPE, JackPortIsOutput);
        const char** to = jack_get_ports(client.get(), "Lariat", JACK_DEFAULT_MIDI_TYPE, JackPortIsInput);
        QVERIFY(from && to);
        QCOMPARE(jack_connect(client.get(), from[0], to[0]), 0);
        jack_free(from);
        jack_free(to);
        const std::vector<MidiMessage> sent = {
            {0x90, 60, 100}, {0xF8, 0, 0}, {0xD0, 5, 0}, {0xB3, 7, 127}, {0xFA, 0, 0}};
        for (const MidiMessage& message : sent) QVERIFY((*out)->send(message));
        EVENTUALLY((std::lock_guard(lock), came.size() == sent.size()));
        for (std::size_t i = 0; i < sent.size(); ++i) {
            QCOMPARE(int{came[i].status}, int{sent[i].status});
            QCOMPARE(int{came[i].data1}, int{sent[i].data1});
            QCOMPARE(int{came[i].data2}, int{sent[i].data2});
        }
    }

    void aPortOfAnotherIsOpenedByItsName() {
        auto mine = openMidiOutput(kVirtualMidiPort);
        QVERIFY(mine);
        const auto names = midiInputNames(); // as others see it: something that one can listen to
        const auto other =
            std::ranges::find_if(names, [](const std::string& name) { return name.starts_with("Lariat:"); });
        QVERIFY(other != names.end());
        std::atomic<int> came{0};
        auto in = openMidiInput(*other, [&](const MidiMessage&) { ++came; });
        QVERIFY(in);
        QVERIFY((*mine)->send({0x90, 64, 1}));
        EVENTUALLY(came == 1);
        const auto gone = openMidiInput("No such keyboard", [](const MidiMessage&) {});
        QVERIFY(!gone);
        QVERIFY(QString::fromStdString(gone.error().reason.str()).contains("not plugged in"));
    }

    void soundGoesOutAndComesBackIn() {
        auto device = makeAudioDevice({{}, 48000, 256});
        QVERIFY(device->name() != kSimulatedDevice);
        QVERIFY(device->hasInput());
        std::atomic<float> heard{0.0f};
        std::atomic<std::size_t> frames{0};
        QVERIFY(device->start([&](float* out, std::size_t n, const float* in) {
            for (std::size_t i = 0; i < n; ++i) {
                out[2 * i] = 0.25f;
                out[2 * i + 1] = -0.5f;
                if (in && frames > 24000) heard = in[2 * i + 1];
            }
            frames += n;
        }));
        const Client client = connected();
        for (const auto& [out, in] : {std::pair("outport 0", "inport 0"), std::pair("outport 1", "inport 1")}) {
            const std::string own = "RtApiJack:";
            for (const char* source : {"system:capture_1", "system:capture_2"})
                jack_disconnect(client.get(), source, (own + in).c_str());
            QCOMPARE(jack_connect(client.get(), (own + out).c_str(), (own + in).c_str()), 0);
        }
        EVENTUALLY(frames > 48000);
        QCOMPARE(heard.load(), -0.5f);
        QVERIFY(device->alive());
    }

    /// The system that a device belongs to is a program of its own: when it goes, this one does not.
    void aSoundSystemThatGoesEndsNothingElse() {
        auto device = makeAudioDevice({{}, 48000, 256});
        auto midi = openMidiOutput(kVirtualMidiPort);
        QVERIFY(midi);
        std::atomic<std::size_t> frames{0};
        QVERIFY(device->start([&](float*, std::size_t n, const float*) { frames += n; }));
        EVENTUALLY(frames > 4800);
        server_.kill();
        server_.waitForFinished();
        EVENTUALLY(!device->alive());
        (*midi)->send({0x90, 60, 100});
        device->stop();
        device.reset();
        QCOMPARE(makeAudioDevice({{}, 48000, 256})->name(), std::string(kSimulatedDevice));
    }

    void aRateThatItDoesNotHaveIsSaid() {
        auto device = makeAudioDevice({{}, 96000, 256});
        const auto started = device->start([](float*, std::size_t, const float*) {});
        QVERIFY(!started);
        QVERIFY(QString::fromStdString(started.error().reason.str()).contains("choose another device"));
    }
};

QTEST_GUILESS_MAIN(PortsTest)
#include "ports_test.moc"
