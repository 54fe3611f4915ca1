#include "widgets/turns.h"

#include "measure/align.h"
#include "units/level.h"

#include <algorithm>
#include <cmath>

namespace lariat {
namespace {

constexpr int kWatchMilliseconds = 10;
constexpr double kUsualTempo = 120.0; ///< where the patch has no clock

} // namespace

Turns::Turns(const Session& session, QObject* parent) : QObject(parent), session_(session) {
    watch_.setInterval(kWatchMilliseconds);
    connect(&watch_, &QTimer::timeout, this, [this] {
        if (ofRecordings()) {
            const Playback* playback = session_.sound.engine().playback();
            if (!playback || playing_ == playback->heard()) return;
            playing_ = playback->heard();
            Q_EMIT changed();
            return;
        }
        const double beats = session_.sound.engine().meters.beats.load();
        if (next_ && static_cast<long>(std::floor(beats / kBeatsPerBar)) != bar_) turn();
    });
    // An edit, or somebody else, ends it.
    connect(&session_.document, &Document::auditionChanged, this, [this](bool on) {
        if (!on && playing_) stop();
    });
}

Turns::~Turns() {
    stop();
}

void Turns::set(std::vector<Voice> voices) {
    stop();
    voices_ = std::move(voices);
}

double Turns::decibels(std::size_t which) const {
    double quietest = 0.0;
    bool known = false;
    for (const Voice& voice : voices_) {
        if (!voice.lufs) return 0.0; // loudness of one is not known: nothing to match
        quietest = known ? std::min(quietest, *voice.lufs) : *voice.lufs;
        known = true;
    }
    return quietest - *voices_[which].lufs;
}

void Turns::play(std::size_t which) {
    if (which >= voices_.size()) return;
    if (ofRecordings()) return playRecordings(which);
    next_ = which;
    bar_ = static_cast<long>(std::floor(session_.sound.engine().meters.beats.load() / kBeatsPerBar));
    if (!playing_) {
        turn();
        session_.sound.setRunning(true);
    }
    watch_.start();
}

void Turns::takeTurns() {
    if (voices_.empty()) return;
    inTurns_ = true;
    play(0);
}

void Turns::playRecordings(std::size_t which) {
    Engine& engine = session_.sound.engine();
    if (playing_ && engine.playback()) {
        engine.playback()->choose(which);
        return;
    }
    const double rate = AudioSettings{}.rate;
    std::vector<Playback::Recording> recordings;
    for (std::size_t v = 0; v < voices_.size(); ++v) {
        const Trace& trace = *voices_[v].recording;
        std::vector<float> samples = trace.rate == rate ? trace.volts : resampled(trace.volts, trace.rate, rate);
        const double gain = toRatio({decibels(v)}) / kFullScaleVolts;
        if (samples.empty()) return;
        recordings.push_back({std::move(samples), static_cast<float>(gain)});
    }
    const double tempo = tempoOf(session_.document.patch(), session_.document.library());
    const double bar = kBeatsPerBar * 60.0 / (tempo > 0.0 ? tempo : kUsualTempo);
    auto playback = std::make_unique<Playback>(std::move(recordings), static_cast<std::size_t>(bar * rate), rate);
    playback->choose(which);
    playback->setInTurns(inTurns_);
    engine.setPlayback(std::move(playback));
    playing_ = which;
    watch_.start();
    Q_EMIT changed();
}

void Turns::turn() {
    playing_ = std::exchange(next_, std::nullopt);
    if (inTurns_) {
        next_ = (*playing_ + 1) % voices_.size();
        bar_ = static_cast<long>(std::floor(session_.sound.engine().meters.beats.load() / kBeatsPerBar));
    } else {
        watch_.stop();
    }
    loudness(decibels(*playing_));
    session_.document.audition(voices_[*playing_].patch);
    Q_EMIT changed();
}

void Turns::stop() {
    watch_.stop();
    next_.reset();
    inTurns_ = false;
    if (!playing_) return;
    playing_.reset();
    if (ofRecordings()) {
        session_.sound.engine().setPlayback(nullptr);
        Q_EMIT changed();
        return;
    }
    loudness(0.0);
    session_.document.audition(nullptr);
    Q_EMIT changed();
}

/// The user may have turned the monitor meanwhile: what they did stays.
void Turns::loudness(double decibels) {
    const double own = session_.sound.monitorDecibels() - down_;
    down_ = decibels;
    session_.sound.setMonitorDecibels(own + decibels);
}

} // namespace lariat
