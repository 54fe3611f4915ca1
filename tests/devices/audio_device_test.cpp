// The simulated interface keeps time, records, and can go away.
#include "devices/audio_device.h"
#include "devices/clock_out.h"
#include "devices/jam.h"
#include "devices/simulated_device.h"
#include "devices/stem_jam.h"
#include "engine/engine.h"
#include "engine/render.h"
#include "model/audio_file.h"
#include "support/eventually.h"
#include "support/patches.h"
#include "timing/stems.h"
#include "units/level.h"

#include <QtTest>

#include <QTemporaryDir>

#include <atomic>
#include <deque>
#include <mutex>

using namespace lariat;

namespace {

AudioSettings simulated(unsigned block = 256) {
    return {kSimulatedDevice, 48000, block};
}

} // namespace

class AudioDeviceTest : public QObject {
    Q_OBJECT

  private Q_SLOTS:
    void thereIsAlwaysADevice() {
        const auto names = audioDeviceNames();
        QVERIFY(!names.empty());
        QCOMPARE(names.back(), std::string(kSimulatedDevice));
        QCOMPARE(makeAudioDevice(simulated())->name(), std::string(kSimulatedDevice));
        QCOMPARE(makeAudioDevice({"A device that is not there", 48000, 512})->name(), std::string(kSimulatedDevice));
    }

    void itAsksForBlocksInTime() {
        std::atomic<std::size_t> frames{0};
        SimulatedDevice device(simulated());
        QElapsedTimer timer;
        timer.start();
        QVERIFY(device.start([&](float*, std::size_t n, const float*) { frames += n; }));
        EVENTUALLY(frames >= 48000 / 4);
        const double due = static_cast<double>(timer.elapsed()) / 1000.0 * 48000.0;
        QVERIFY(static_cast<double>(frames) <= due + 2.0 * 256.0 + 480.0); // never faster than a card
        device.stop();
        const std::size_t after = frames;
        QTest::qWait(30);
        QCOMPARE(frames.load(), after);
    }

    /// What a device is given is recorded, whichever it is and however it changes.
    void aJamKeepsWhatIsHeard() {
        QTemporaryDir folder;
        const std::string file = folder.filePath(QStringLiteral("take.wav")).toStdString();
        auto jam = Jam::start(file, {48000.0, 2, 32});
        QVERIFY2(jam, jam ? "" : jam.error().text().c_str());
        std::atomic<std::size_t> frames{0};
        const AudioCallback callback = [&](float* out, std::size_t n, const float*) {
            for (std::size_t i = 0; i < n; ++i, ++frames) {
                out[2 * i] = static_cast<float>(frames.load()) / 1e6f;
                out[2 * i + 1] = -out[2 * i];
            }
            (*jam)->give({out, 2 * n});
        };
        {
            SimulatedDevice device(simulated());
            QVERIFY(device.start(callback));
            EVENTUALLY(frames > 4800);
            device.pull();
        }
        SimulatedDevice other(simulated(64));
        QVERIFY(other.start(callback));
        EVENTUALLY(frames > 9600);
        other.stop();
        QCOMPARE((*jam)->lost(), std::uint64_t{0});
        jam->reset();
        const auto take = readAudio(file);
        QVERIFY2(take, take ? "" : take.error().text().c_str());
        QCOMPARE(take->rate, 48000.0);
        QCOMPARE(take->samples.size(), 2 * frames.load());
        for (std::size_t i = 0; i < frames; ++i) {
            QCOMPARE(take->samples[2 * i], static_cast<float>(i) / 1e6f);
            QCOMPARE(take->samples[2 * i + 1], -take->samples[2 * i]);
        }
    }

    /// Voices by themselves, sample for sample what a silent run gives at their outlets; a voice that is away for a
    /// while is silent in its file, and all files keep together.
    void voicesAreRecordedByThemselves() {
        const Patch patch = test::demo("night-watch.json");
        const Library& library = test::workspace().library;
        const auto outlets = outletsOf(patch, library);
        QVERIFY(outlets.size() >= 3);
        QTemporaryDir folder;
        std::vector<StemJam::Voice> voices;
        std::vector<JackRef> jacks;
        for (const StemOutlet& outlet : outlets) {
            voices.push_back({outlet.voice, folder.filePath(QString::number(voices.size()) + ".wav").toStdString(),
                              static_cast<int>(outlet.jacks.size())});
            jacks.insert(jacks.end(), outlet.jacks.begin(), outlet.jacks.end());
        }
        auto renderer = Renderer::make(patch, library, {.probes = jacks});
        QVERIFY(renderer);
        std::vector<std::vector<float>> expected(jacks.size());
        renderer->run(2.0, [&](const RunView& view) {
            for (std::size_t j = 0; j < jacks.size(); ++j)
                expected[j].insert(expected[j].end(), view.probes[j]->volts.begin(), view.probes[j]->volts.end());
            return true;
        });

        Engine engine;
        engine.setPatch(patch, library);
        auto jam = StemJam::start(voices, engine.rate(),
                                  [&] { return engine.meters.samples.load(std::memory_order_acquire); });
        QVERIFY2(jam, jam ? "" : jam.error().text().c_str());
        const TapLength room{static_cast<std::size_t>(StemJam::kRoomSeconds * engine.rate()), Tap::kCoarse};
        const auto listen = [&] {
            for (std::size_t v = 0; v < outlets.size(); ++v)
                for (std::size_t c = 0; c < outlets[v].jacks.size(); ++c)
                    (*jam)->listen(v, c, engine.watch(outlets[v].jacks[c], room, library));
        };
        listen();
        std::vector<float> block(2 * 480);
        const auto play = [&](int blocks) {
            for (int b = 0; b < blocks; ++b) {
                engine.process(block.data(), 480);
                listen(); // as after any edit; it changes nothing
            }
        };
        play(100);
        const auto one = static_cast<std::size_t>(engine.meters.samples.load());
        Patch without = patch;
        const std::string away = jacks[0].post;
        without = *applyEdit(without, RemovePost{away});
        engine.setPatch(without, library);
        listen();
        play(20);
        engine.setPatch(patch, library);
        listen();
        play(20);
        const auto whole = static_cast<std::size_t>(engine.meters.samples.load());
        jam->reset();
        std::size_t jack = 0;
        for (const StemJam::Voice& voice : voices) {
            const auto read = readAudio(voice.file);
            QVERIFY2(read, read ? "" : read.error().text().c_str());
            QCOMPARE(read->rate, engine.rate());
            QCOMPARE(read->channels, voice.channels);
            const auto channels = static_cast<std::size_t>(voice.channels);
            QCOMPARE(read->samples.size(), whole * channels);
            for (std::size_t c = 0; c < channels; ++c, ++jack) {
                const std::size_t same = std::min(one, expected[jack].size());
                QVERIFY(same > 40'000);
                double loudest = 0.0;
                for (std::size_t i = 0; i < same; ++i) {
                    QVERIFY2(
                        read->samples[i * channels + c] == expected[jack][i] / static_cast<float>(kFullScaleVolts),
                        qPrintable(QStringLiteral("%1, sample %2").arg(QString::fromStdString(voice.name)).arg(i)));
                    loudest = std::max(loudest, static_cast<double>(std::abs(read->samples[i * channels + c])));
                }
                if (jack == 0) QVERIFY(loudest > 0.01);
                if (jacks[jack].post != away) continue;
                for (std::size_t i = one + 4800; i < one + 15'000; ++i) // behind the fade
                    QCOMPARE(read->samples[i * channels + c], 0.0f);
            }
        }
    }

    void aPlaceThatCannotBeWrittenIsTold() {
        const auto started = Jam::start("/no/such/folder/take.wav", {});
        QVERIFY(!started);
        QVERIFY(started.error().text().find("/no/such/folder/take.wav") != std::string::npos);
    }

    void pulledOutItIsNoLongerAlive() {
        std::atomic<std::size_t> frames{0};
        SimulatedDevice device(simulated());
        QVERIFY(device.start([&](float*, std::size_t n, const float*) { frames += n; }));
        EVENTUALLY(frames > 0);
        QVERIFY(device.alive());
        device.pull();
        QVERIFY(!device.alive());
        QVERIFY(device.start([&](float*, std::size_t n, const float*) { frames += n; })); // plugged in again
        QVERIFY(device.alive());
    }

    /// Tempo and unevenness of a clock, against the closed form.
    void aClockIsMeasured() {
        using namespace std::chrono;
        ClockMeter meter;
        const auto zero = steady_clock::now();
        QCOMPARE(meter.read(zero).tempo, 0.0);
        for (int n = 0; n < 100; ++n) // 125 BPM: 20 ms; every other pulse 0.4 ms late
            meter.pulse(zero + microseconds(20'000 * n + (n % 2 == 0 ? 0 : 400)));
        const auto now = zero + microseconds(20'000 * 99);
        QVERIFY(std::abs(meter.read(now).tempo - 125.0) < 0.1);
        QVERIFY(std::abs(meter.read(now).jitter - 0.2) < 0.01);
        QVERIFY(std::abs(meter.read(now).worst - 0.2) < 0.05);
        QCOMPARE(meter.read(now + seconds(2)).tempo, 0.0);
    }

    /// Each event is sent when its time has come, in order, and what was started is stopped at the end.
    void theClockIsSentInTime() {
        using namespace std::chrono;
        std::mutex mutex;
        std::deque<ClockPulses::Event> events;
        const auto zero = steady_clock::now() + milliseconds(30);
        events.push_back({zero, 0xFA});
        for (int n = 0; n < 24; ++n) events.push_back({zero + milliseconds(10 * n), 0xF8});
        auto output = openMidiOutput(kSimulatedMidiOut);
        QVERIFY(output);
        auto* kept = dynamic_cast<SimulatedMidiOut*>(output->get());
        std::vector<SimulatedMidiOut::Sent> sent;
        {
            ClockOut clock(std::move(*output), [&](ClockPulses::Event& event) {
                const std::lock_guard lock(mutex);
                if (events.empty()) return false;
                event = events.front();
                events.pop_front();
                return true;
            });
            EVENTUALLY_EQUAL(kept->sent().size(), std::size_t{25});
            QVERIFY(clock.reading().tempo > 100.0);
            QVERIFY(!clock.failed());
            sent = kept->sent();
        }
        for (std::size_t n = 0; n < sent.size(); ++n) {
            QCOMPARE(int{sent[n].second.status}, n == 0 ? 0xFA : 0xF8);
            if (n > 0) QVERIFY(sent[n].first >= zero + milliseconds(10 * (n - 1))); // never early
        }
        QVERIFY(!openMidiOutput("no such port"));
        QCOMPARE(midiOutputNames().back(), std::string(kSimulatedMidiOut));
    }

    void lateBlocksAreCounted() {
        SimulatedDevice device(simulated(64));
        QVERIFY(
            device.start([](float*, std::size_t, const float*) { QThread::msleep(5); })); // a block is due every 1.3 ms
        EVENTUALLY(device.dropouts() > 2);
    }

    /// The device's thread runs the engine while this one edits the patch, turns knobs and reads traces.
    void theEngineIsEditedWhileItPlays() {
        Engine engine;
        Patch patch = test::lamp();
        const Library& library = test::workspace().library;
        engine.setPatch(patch, library);
        SimulatedDevice device(simulated());
        QVERIFY(device.start([&](float* out, std::size_t n, const float*) { engine.process(out, n); }));
        for (int edit = 0; edit < 60; ++edit) {
            const auto before = engine.meters.frames.load();
            const Edit change = edit % 3 == 0   ? Edit{SetKnob{"filter", "cutoff", 300.0 + edit}}
                                : edit % 3 == 1 ? Edit{RemoveCable{patch.cables.back().id}}
                                                : Edit{ReorderCable{1, 3}};
            patch = *applyEdit(patch, change);
            engine.setPatch(patch, library);
            engine.setRunning(edit % 7 != 0);
            if (const auto tap = engine.tap(test::jackRef("osc-a.saw"))) {
                QVERIFY(tap->samples(2000).size() <= 2000);
                QVERIFY(tap->spans(500).size() <= 500);
            }
            EVENTUALLY(engine.meters.frames > before);
            engine.collect();
            if (patch.cables.size() < 5) patch = test::lamp();
        }
        device.stop();
        QCOMPARE(engine.meters.faults.load(), std::uint64_t{0});
    }

    void whatComesInIsHandedOn() {
        AudioSettings settings;
        settings.comesIn = {0.25f, -0.5f};
        SimulatedDevice device(settings);
        QVERIFY(device.hasInput());
        std::atomic<int> blocks{0};
        std::atomic<int> wrong{0};
        QVERIFY(device.start([&](float* out, std::size_t n, const float* in) {
            std::fill_n(out, 2 * n, 0.0f);
            for (std::size_t i = 0; i < n; ++i)
                if (!in || in[2 * i] != 0.25f || in[2 * i + 1] != -0.5f) ++wrong;
            ++blocks;
        }));
        EVENTUALLY(blocks > 5);
        device.stop();
        QCOMPARE(wrong.load(), 0);
    }

    void soundFilesThatLieAreRefused() {
        QTemporaryDir folder;
        const QString name = folder.filePath(QStringLiteral("lies.wav"));
        QVERIFY(writeWav(name.toStdString(), std::vector<float>(1000, 0.5f), 1, 48000.0));
        QFile file(name);
        QVERIFY(file.open(QIODevice::ReadWrite));
        QVERIFY(file.resize(600)); // cut short
        const auto cut = readAudio(name.toStdString());
        QVERIFY(!cut && cut.error().text().find("cut short") != std::string::npos);
        QVERIFY(file.resize(20));
        const auto broken = readAudio(name.toStdString());
        QVERIFY(!broken && broken.error().text().find("lies.wav") != std::string::npos);
        QVERIFY(!readAudio("/no/such.wav"));
    }

    void soundFilesKeepVolts() {
        QTemporaryDir folder;
        const std::string file = folder.filePath(QStringLiteral("probe.wav")).toStdString();
        const std::vector<float> volts = {-11.4f, 0.0f, 0.083333f, 8.0f};
        QVERIFY(writeWav(file, volts, 1, 96000.0));
        const auto read = readAudio(file);
        QVERIFY(read && read->samples == volts && read->rate == 96000.0);
    }
};

QTEST_GUILESS_MAIN(AudioDeviceTest)
#include "audio_device_test.moc"
