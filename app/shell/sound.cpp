#include "shell/sound.h"

#include "units/level.h"

namespace lariat {

Sound::Sound(Document& document, QObject* parent) : QObject(parent), document_(document) {
    connect(&document_, &Document::changed, this, [this] { engine_.setPatch(document_.patch(), document_.library()); });
    engine_.setPatch(document_.patch(), document_.library());
    setMonitorDecibels(monitorDecibels_);
    connect(&watcher_, &QTimer::timeout, this, &Sound::watch);
    watcher_.start(500);
}

Sound::~Sound() {
    if (device_) device_->stop();
}

void Sound::openDevice(const QString& name) {
    AudioSettings settings;
    settings.device = name.toStdString();
    start(makeAudioDevice(settings));
}

void Sound::start(std::unique_ptr<AudioDevice> device) {
    if (device_) device_->stop();
    device_ = std::move(device);
    const auto fill = [this](float* out, std::size_t frames) { engine_.process(out, frames); };
    if (const auto started = device_->start(fill); !started) {
        emit message(QString::fromStdString(started.error().reason));
        AudioSettings simulated;
        simulated.device = kSimulatedDevice;
        device_ = makeAudioDevice(simulated);
        (void)device_->start(fill); // the simulated interface always starts
    }
    emit deviceChanged();
}

QString Sound::deviceName() const {
    return device_ ? QString::fromStdString(device_->name()) : QString();
}

void Sound::setMonitorDecibels(double decibels) {
    monitorDecibels_ = decibels;
    engine_.setMonitorGain(decibels <= -60.0 ? 0.0f : static_cast<float>(toRatio({decibels})));
}

void Sound::setRunning(bool running) {
    engine_.setRunning(running);
    emit runningChanged(running);
}

void Sound::rewind() {
    engine_.rewind();
}

void Sound::watch() {
    engine_.collect();
    if (!device_ || device_->alive()) return;
    emit message(tr("%1 has gone away; playing to the simulated interface. Choose a device in the preferences.")
                     .arg(deviceName()));
    openDevice(QString::fromLatin1(kSimulatedDevice));
}

} // namespace lariat
