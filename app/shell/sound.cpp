#include "shell/sound.h"

#include "units/level.h"

#include <thread>

namespace lariat {
namespace {

constexpr unsigned kFewestFrames = 16;
constexpr unsigned kMostFrames = 8192;

} // namespace

Sound::Sound(Document& document, QObject* parent) : QObject(parent), document_(document), listening_(document) {
    connect(&document_, &Document::replaced, this, [this] { setScenes(false); });
    connect(&document_, &Document::changed, this, &Sound::follow);
    connect(&listening_, &Listening::changed, this, &Sound::follow);
    follow();
    setMonitorDecibels(monitorDecibels_);
    connect(&watcher_, &QTimer::timeout, this, &Sound::watch);
    watcher_.start(500);
}

Sound::~Sound() {
    clockOut_.reset();
    if (device_) device_->stop();
}

/// The engine runs what is to be heard: the patch, or its first rows, without what is silenced.
void Sound::follow() {
    engine_.setListening(listening_.silenced(), listening_.listenedJack());
    engine_.setPatch(document_.heard(), document_.library());
}

void Sound::setBlockFrames(unsigned wanted) {
    const unsigned frames = std::clamp(wanted, kFewestFrames, kMostFrames);
    if (frames != wanted)
        Q_EMIT message(tr("Blocks of %1 frames cannot be had; it is %2. Choose the latency in the preferences.")
                           .arg(wanted)
                           .arg(frames),
                       true);
    if (frames == blockFrames_) return;
    blockFrames_ = frames;
    if (device_) openDevice(deviceName());
}

double Sound::latencyMilliseconds(unsigned blockFrames) {
    return 2.5 * 1e3 * blockFrames / AudioSettings{}.rate;
}

void Sound::openMidi(const QString& name) {
    // Messages come on the device's thread; the engine is spoken to from this one.
    const auto received = [this](const MidiMessage& message) {
        const auto when =
            std::chrono::steady_clock::now(); // it carries its time past whatever this thread is busy with
        if (message.status == 0xF8) clockIn_.pulse(when);
        QMetaObject::invokeMethod(
            this, [this, message, when] { play(message, when); }, Qt::QueuedConnection);
    };
    midi_.reset();
    auto opened = openMidiInput(name.toStdString(), received);
    if (!opened) {
        Q_EMIT message(QString::fromStdString(opened.error().reason), true);
        opened = openMidiInput({}, received);
    }
    midi_ = std::move(*opened);
}

void Sound::openClockOut(const QString& name) {
    clockOut_.reset();
    engine_.setClockOut(false);
    if (name.isEmpty()) return;
    auto output = openMidiOutput(name.toStdString());
    if (!output) {
        Q_EMIT message(QString::fromStdString(output.error().reason), true);
        return;
    }
    for (ClockPulses::Event old; engine_.takeClock(old);) {
    } // of an earlier port
    clockOut_ = std::make_unique<ClockOut>(std::move(*output),
                                           [this](ClockPulses::Event& event) { return engine_.takeClock(event); });
    engine_.setClockOut(true);
}

void Sound::play(const MidiMessage& message, Engine::Time when) {
    engine_.play(message, when);
    if (followsStart_ && message.status == 0xFA) rewind();
    if (followsStart_ && (message.status == 0xFA || message.status == 0xFB) && !engine_.running()) setRunning(true);
    if (followsStart_ && message.status == 0xFC && engine_.running()) setRunning(false);
    Q_EMIT played(message, when == Engine::Time{} ? std::chrono::steady_clock::now() : when);
    if (message.kind() == 0xB0) Q_EMIT controllerMoved(message.data1, message.data2);
}

void Sound::openDevice(const QString& name) {
    AudioSettings settings;
    settings.device = name.toStdString();
    settings.blockFrames = blockFrames_;
    auto made = makeAudioDevice(settings);
    const QString got = QString::fromStdString(made->name());
    openDevice(std::move(made));
    if (!name.isEmpty() && got != name)
        Q_EMIT message(tr("%1 is not there; playing to %2. Choose a device in the preferences.").arg(name, got), true);
}

void Sound::openDevice(std::unique_ptr<AudioDevice> device) {
    if (device_) device_->stop();
    device_ = std::move(device);
    const auto fill = [this](float* out, std::size_t frames, const float* in) {
        engine_.process(out, frames, in);
        handingOver_ = true;
        if (Jam* const jam = heardBy_) jam->give({out, 2 * frames});
        handingOver_ = false;
    };
    if (const auto started = device_->start(fill); !started) {
        Q_EMIT message(QString::fromStdString(started.error().reason), true);
        AudioSettings simulated;
        simulated.device = kSimulatedDevice;
        simulated.blockFrames = blockFrames_;
        device_ = makeAudioDevice(simulated);
        (void)device_->start(fill); // the simulated interface always starts
    }
    Q_EMIT deviceChanged();
}

QString Sound::deviceName() const {
    return device_ ? QString::fromStdString(device_->name()) : QString();
}

void Sound::record(const QString& file) {
    stopRecording();
    const int bits = file.endsWith(QLatin1String(".flac"), Qt::CaseInsensitive) ? 24 : 32;
    auto started = Jam::start(file.toStdString(), {static_cast<double>(AudioSettings{}.rate), 2, bits});
    if (!started) {
        Q_EMIT message(QString::fromStdString(started.error().text()), true);
        return;
    }
    jam_ = std::move(*started);
    jamStart_ = engine_.meters.frames.load();
    recordingTo_ = file;
    heardBy_ = jam_.get();
    Q_EMIT message(tr("Recording to %1.").arg(file), false);
    Q_EMIT recordingChanged(true);
}

double Sound::recordedSeconds() const {
    return jam_ ? static_cast<double>(engine_.meters.frames.load() - jamStart_) / AudioSettings{}.rate : 0.0;
}

void Sound::stopRecording() {
    if (!recording()) return;
    const std::uint64_t lost = jam_->lost();
    endJam();
    Q_EMIT message(lost == 0 ? tr("The recording is in %1.").arg(recordingTo_)
                             : tr("The recording is in %1. The disk was too slow: %2 s of it are missing.")
                                   .arg(recordingTo_)
                                   .arg(static_cast<double>(lost / 2) / AudioSettings{}.rate, 0, 'f', 1),
                   lost > 0);
}

/// The audio side may be handing a block over: it is waited for, which takes no longer than a copy of that block.
void Sound::endJam() {
    heardBy_ = nullptr;
    while (handingOver_) std::this_thread::yield();
    jam_.reset();
    Q_EMIT recordingChanged(false);
}

void Sound::setRealCase(bool on) {
    realCase_ = on;
    engine_.setRealCase(on);
    follow();
    Q_EMIT message(on ? tr("As the metal has it: splits sag, stages hiss, oscillators drift, picky inputs miss pulses.")
                      : tr("Ideal again: nothing sags, hisses or drifts."),
                   false);
}

void Sound::setScenes(bool on) {
    if (on == scenes_) return;
    scenes_ = on;
    engine_.setScenes(on);
    follow();
    Q_EMIT scenesChanged(on);
}

void Sound::setMonitorDecibels(double decibels) {
    monitorDecibels_ = decibels;
    engine_.setMonitorGain(decibels <= -60.0 ? 0.0f : static_cast<float>(toRatio({decibels})));
}

void Sound::setRunning(bool running) {
    engine_.setRunning(running);
    Q_EMIT runningChanged(running);
}

void Sound::rewind() {
    engine_.rewind();
}

void Sound::watch() {
    engine_.collect();
    if (jam_ && !jam_->fault().empty()) {
        endJam();
        Q_EMIT message(tr("The disk takes no more: the recording has ended. What was recorded until then is in %1.")
                           .arg(recordingTo_),
                       true);
    }
    if (clockOut_ && clockOut_->failed()) {
        Q_EMIT message(tr("%1 takes no more MIDI clock; choose a port in the preferences.")
                           .arg(QString::fromStdString(clockOut_->output().name())),
                       true);
        openClockOut({});
    }
    if (!device_ || device_->alive()) return;
    Q_EMIT message(tr("%1 has gone away; playing to the simulated interface. Choose a device in the preferences.")
                       .arg(deviceName()),
                   true);
    openDevice(QString::fromLatin1(kSimulatedDevice));
}

} // namespace lariat
