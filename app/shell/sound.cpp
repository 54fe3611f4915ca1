#include "shell/sound.h"

#include "devices/simulated_device.h"
#include "units/level.h"

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

void Sound::play(const MidiMessage& message, Engine::Time when) {
    engine_.play(message, when);
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
    stopRecording();
    if (device_) device_->stop();
    device_ = std::move(device);
    const auto fill = [this](float* out, std::size_t frames, const float* in) { engine_.process(out, frames, in); };
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

bool Sound::canRecord() const {
    return dynamic_cast<SimulatedDevice*>(device_.get()) != nullptr;
}

void Sound::record(const QString& file) {
    auto* device = dynamic_cast<SimulatedDevice*>(device_.get());
    if (!device) return;
    const auto started = device->recordTo(file.toStdString());
    recordingTo_ = started ? file : QString();
    if (started)
        Q_EMIT message(tr("Recording to %1.").arg(file), false);
    else
        Q_EMIT message(QString::fromStdString(started.error().text()), true);
}

void Sound::stopRecording() {
    if (!recording()) return;
    if (auto* device = dynamic_cast<SimulatedDevice*>(device_.get())) device->recordStop();
    Q_EMIT message(tr("The recording is in %1.").arg(recordingTo_), false);
    recordingTo_.clear();
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
    if (auto* device = dynamic_cast<SimulatedDevice*>(device_.get()); device && device->recordFailed()) {
        device->recordStop();
        Q_EMIT message(tr("The disk takes no more: the recording has ended. What was recorded until then is in %1.")
                           .arg(recordingTo_),
                       true);
        recordingTo_.clear();
        Q_EMIT deviceChanged();
    }
    if (!device_ || device_->alive()) return;
    Q_EMIT message(tr("%1 has gone away; playing to the simulated interface. Choose a device in the preferences.")
                       .arg(deviceName()),
                   true);
    openDevice(QString::fromLatin1(kSimulatedDevice));
}

} // namespace lariat
