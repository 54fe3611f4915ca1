#include "shell/sound.h"

#include "devices/simulated_device.h"
#include "look/text.h"
#include "units/level.h"

#include <QDir>
#include <QFileInfo>

#include <algorithm>

namespace lariat {
namespace {

constexpr unsigned kFewestFrames = 16;
constexpr unsigned kMostFrames = 8192;

/// "take.wav" has its voices in the folder "take" beside it, or in "take 2" where that holds something: nothing is
/// written over.
QString freshFolder(const QString& file) {
    const QString wanted = QFileInfo(file).dir().filePath(QFileInfo(file).completeBaseName());
    QString folder = wanted;
    for (int n = 2; QFileInfo::exists(folder) && !(QFileInfo(folder).isDir() && QDir(folder).isEmpty()); ++n)
        folder = wanted + QStringLiteral(" %1").arg(n);
    return folder;
}

} // namespace

Sound::Sound(Document& document, QObject* parent) : QObject(parent), document_(document), listening_(document) {
    connect(&document_, &Document::replaced, this, [this] {
        setScenes(false);
        if (!stems_) return; // another patch has other voices
        endStems();
        Q_EMIT message(tr("The voices of the patch before are in %1. The recording itself goes on.").arg(stemsTo_),
                       false);
    });
    connect(&document_, &Document::libraryChanged, this, [this] { engine_.modulesChanged(); });
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
    listenToStems();
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
        Q_EMIT message(said(opened.error().reason), true);
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
        Q_EMIT message(said(output.error().reason), true);
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

AudioSettings Sound::settings(const QString& device) const {
    AudioSettings settings;
    settings.device = device.toStdString();
    settings.blockFrames = blockFrames_;
    settings.comesIn = simulatedIn_;
    return settings;
}

void Sound::openDevice(const QString& name) {
    auto made = makeAudioDevice(settings(name));
    const QString got = QString::fromStdString(made->name());
    openDevice(std::move(made));
    if (!name.isEmpty() && got != name)
        Q_EMIT message(tr("%1 is not there; playing to %2. Choose a device in the preferences.").arg(name, got), true);
}

void Sound::openDevice(std::unique_ptr<AudioDevice> device) {
    stopRecordingIn(); // what comes in does so at one device
    if (device_) device_->stop();
    device_ = std::move(device);
    const auto fill = [this](float* out, std::size_t frames, const float* in) {
        engine_.process(out, frames, in);
        jam_.give({out, 2 * frames});
        if (in) comingIn_.give({in, 2 * frames});
    };
    if (const auto started = device_->start(fill); !started) {
        Q_EMIT message(said(started.error().reason), true);
        device_ = makeAudioDevice(settings(QString::fromLatin1(kSimulatedDevice)));
        (void)device_->start(fill); // the simulated interface always starts
    }
    Q_EMIT deviceChanged();
}

void Sound::closeDevice() {
    stopRecordingIn();
    if (device_) device_->stop();
    device_.reset();
    Q_EMIT deviceChanged();
}

QString Sound::deviceName() const {
    return device_ ? QString::fromStdString(device_->name()) : QString();
}

/// False if the file cannot be had; `message` has said why.
bool Sound::begin(LiveJam& jam, const QString& file) {
    const int bits = file.endsWith(QLatin1String(".flac"), Qt::CaseInsensitive) ? 24 : 32;
    const auto started = jam.start(file.toStdString(), {static_cast<double>(AudioSettings{}.rate), 2, bits});
    if (!started) Q_EMIT message(said(started.error()), true);
    return started.has_value();
}

void Sound::record(const QString& file, bool stems) {
    stopRecording();
    if (!device_) {
        Q_EMIT message(tr("Nothing is heard here now: the test stand has the sound device. Go back to the case first."),
                       true);
        return;
    }
    if (!begin(jam_, file)) return;
    jamStart_ = engine_.meters.frames.load();
    recordingTo_ = file;
    const QString why = stems ? recordStems(file) : QString();
    if (!why.isEmpty())
        Q_EMIT message(tr("Recording to %1, but not its voices: %2").arg(file, why), true);
    else
        Q_EMIT message(stems_ ? tr("Recording to %1, its voices to %2.").arg(file, stemsTo_)
                              : tr("Recording to %1.").arg(file),
                       false);
    Q_EMIT recordingChanged(true);
}

/// Each voice and bus of the patch as it is now, into a folder beside that file; why it cannot be, or nothing.
QString Sound::recordStems(const QString& file) {
    const Patch& patch = document_.patch();
    outlets_ = outletsOf(patch, document_.library());
    if (outlets_.empty()) return tr("none of them has a name. Name the voice of the posts first.");
    stemsTo_ = freshFolder(file);
    if (!QDir().mkpath(stemsTo_)) return tr("the folder %1 cannot be made; choose another name.").arg(stemsTo_);
    std::vector<std::string> names;
    for (const StemOutlet& outlet : outlets_) names.push_back(outlet.voice);
    const std::vector<std::string> files = stemFiles(patch.title, names);
    std::vector<StemJam::Voice> voices;
    for (std::size_t v = 0; v < outlets_.size(); ++v)
        voices.push_back({outlets_[v].voice, std::filesystem::path(stemsTo_.toStdString()) / files[v],
                          static_cast<int>(outlets_[v].jacks.size())});
    auto started = StemJam::start(std::move(voices), engine_.rate(), [this] { return engine_.meters.samples.load(); });
    if (!started) return said(started.error());
    stems_ = std::move(*started);
    listenToStems();
    return {};
}

/// Their files end; what is heard goes on being recorded.
void Sound::endStems() {
    if (!stems_) return;
    stems_.reset();
    for (const StemOutlet& outlet : outlets_)
        for (const JackRef& jack : outlet.jacks) engine_.unwatch(jack);
}

/// After an edit, a voice may come from other taps than before.
void Sound::listenToStems() {
    if (!stems_) return;
    const TapLength room{static_cast<std::size_t>(StemJam::kRoomSeconds * engine_.rate()), Tap::kCoarse};
    for (std::size_t v = 0; v < stems_->voices().size(); ++v)
        for (std::size_t c = 0; c < static_cast<std::size_t>(stems_->voices()[v].channels); ++c)
            stems_->listen(v, c, engine_.watch(outlets_[v].jacks[c], room, document_.library()));
}

double Sound::recordedSeconds() const {
    return jam_.on() ? static_cast<double>(engine_.meters.frames.load() - jamStart_) / AudioSettings{}.rate : 0.0;
}

void Sound::stopRecording() {
    if (!recording()) return;
    const bool voices = stems_ != nullptr;
    double missing = 0.5 * static_cast<double>(jam_.lost()) / AudioSettings{}.rate;
    if (voices) missing = std::max(missing, static_cast<double>(stems_->lost()) / engine_.rate());
    endJam();
    QString text = voices ? tr("The recording is in %1, its voices are in %2.").arg(recordingTo_, stemsTo_)
                          : tr("The recording is in %1.").arg(recordingTo_);
    if (missing > 0.0)
        text += QLatin1Char(' ') + tr("The disk was too slow: %1 s are missing.").arg(missing, 0, 'f', 1);
    Q_EMIT message(text, missing > 0.0);
    Q_EMIT recorded(recordingTo_);
}

void Sound::endJam() {
    jam_.end();
    endStems();
    Q_EMIT recordingChanged(false);
}

void Sound::recordIn(const QString& file) {
    stopRecordingIn();
    if (!hasInput()) {
        Q_EMIT message(
            tr("Nothing comes in here. Choose a device with an input in the preferences, or a sound file that "
               "the simulated interface hears."),
            true);
        return;
    }
    if (!begin(comingIn_, file)) return;
    comingInTo_ = file;
    comingInStart_ = engine_.meters.frames.load();
    Q_EMIT message(tr("What comes in is recorded to %1.").arg(file), false);
    Q_EMIT recordingInChanged(true);
}

double Sound::recordedInSeconds() const {
    return comingIn_.on() ? static_cast<double>(engine_.meters.frames.load() - comingInStart_) / AudioSettings{}.rate
                          : 0.0;
}

void Sound::stopRecordingIn() {
    if (!recordingIn()) return;
    endIn();
    Q_EMIT message(tr("What came in is in %1.").arg(comingInTo_), false);
}

void Sound::endIn() {
    comingIn_.end();
    Q_EMIT recordingInChanged(false);
    Q_EMIT recordedIn(comingInTo_);
}

void Sound::setSimulatedIn(const QString& file) {
    simulatedIn_.clear();
    if (!file.isEmpty()) {
        auto read = comesInFrom(file.toStdString(), AudioSettings{}.rate);
        if (read)
            simulatedIn_ = std::move(*read);
        else
            Q_EMIT message(said(read.error()), true);
    }
    if (deviceName() == QLatin1String(kSimulatedDevice)) openDevice(deviceName());
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
    if (stems_ && !stems_->fault().empty()) {
        endStems();
        Q_EMIT message(tr("The voices cannot be written any more; what was recorded until then is in %1. The recording "
                          "itself goes on.")
                           .arg(stemsTo_),
                       true);
    }
    if (!jam_.fault().empty()) {
        endJam();
        Q_EMIT message(tr("The disk takes no more: the recording has ended. What was recorded until then is in %1.")
                           .arg(recordingTo_),
                       true);
    }
    if (!comingIn_.fault().empty()) {
        endIn();
        Q_EMIT message(tr("The disk takes no more: what came in until then is in %1.").arg(comingInTo_), true);
    }
    if (clockOut_ && clockOut_->failed()) {
        Q_EMIT message(tr("%1 takes no more MIDI clock; choose a port in the preferences.")
                           .arg(QString::fromStdString(clockOut_->output().name())),
                       true);
        openClockOut({});
    }
    if (!device_ || device_->alive()) return;
    QString text = tr("%1 has gone away; playing to the simulated interface. Choose a device in the preferences.")
                       .arg(deviceName());
    if (recordingIn()) {
        endIn();
        text += QLatin1Char(' ') + tr("What came in until then is in %1.").arg(comingInTo_);
    }
    Q_EMIT message(text, true);
    openDevice(QString::fromLatin1(kSimulatedDevice));
}

} // namespace lariat
