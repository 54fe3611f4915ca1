#include "engine/engine.h"

#include "blocks/parts/maths.h"
#include "library/meaning.h"
#include "units/level.h"

#include <algorithm>
#include <cmath>
#include <numbers>

namespace lariat {
namespace {

constexpr double kFadeSeconds = 0.010;
constexpr double kListenHertz = 20.0; ///< what lies below is no sound

void keepPeak(std::atomic<float>& peak, float value) {
    if (value > peak.load(std::memory_order_relaxed)) peak.store(value, std::memory_order_relaxed);
}

template <class T> void freeOne(std::vector<std::unique_ptr<T>>& owned, const T* done) {
    if (done) std::erase_if(owned, [&](const auto& one) { return one.get() == done; });
}

} // namespace

Engine::Engine(EngineSettings settings, double deviceRate)
    : settings_(std::move(settings)), deviceRate_(deviceRate), resampler_(settings_.rate, deviceRate),
      live_(deviceRate, settings_.rate), ears_(deviceRate),
      dcPart_(partPerSample(1.0 / (kTwoPi * kListenHertz), settings_.rate)) {}

Engine::~Engine() = default;

void Engine::setPatch(const Patch& patch, const Library& library) {
    collect();
    if (!patch_) {
        compile(patch, library, true);
    } else {
        const Change change = planChange(*patch_, patch, library);
        if (change.compile)
            compile(patch, library, true);
        else
            deliver(change, patch, library);
    }
    patch_ = patch;
}

void Engine::compile(const Patch& patch, const Library& library, bool fade) {
    std::vector<JackRef> also;
    for (const auto& [jack, length] : watched_) also.push_back(jack);
    // What is watched may belong to another patch by now.
    std::erase_if(also, [&](const JackRef& jack) { return !library.jack(patch, jack); });
    auto schedule = std::make_unique<Schedule>(patch, library, settings_, also);
    if (!owned_.empty()) schedule->inheritFrom(*owned_.back());
    lateCables_ = schedule->lateCables();
    normals_ = schedule->normals();
    blockCount_ = schedule->blockCount();
    std::erase_if(taps_, [&](const auto& entry) { return schedule->signal(entry.first) == nullptr; });
    for (const Cable& cable : patch.cables)
        if (auto& tap = taps_[cable.from]; !tap) tap = std::make_shared<Tap>();
    for (const auto& [jack, length] : watched_)
        if (auto& tap = taps_[jack]; !tap && schedule->signal(jack)) tap = std::make_shared<Tap>(length);
    std::erase_if(taps_, [](const auto& entry) { return !entry.second; });
    Schedule* raw = schedule.get();
    owned_.push_back(std::move(schedule));
    commands_.send({.kind = Command::Kind::Swap, .schedule = raw, .listeners = listenersFor(*raw), .fade = fade});
}

void Engine::deliver(const Change& change, const Patch& patch, const Library& library) {
    const Schedule& newest = *owned_.back();
    for (const Change::Knob& knob : change.knobs)
        commands_.send({.kind = Command::Kind::Control,
                        .slot = newest.controlSlot(knob.post, knob.knob),
                        .value = static_cast<float>(knob.value)});
    if (change.materials.empty()) return;
    auto delivery = std::make_unique<Delivery>();
    for (const std::string& id : change.materials)
        for (const int player : newest.playersOf(id))
            delivery->players.emplace_back(player, materialOf(patch, library, *patch.post(id)));
    commands_.send({.kind = Command::Kind::Deliver, .delivery = delivery.get()});
    ownedDeliveries_.push_back(std::move(delivery));
}

Engine::Listeners* Engine::listenersFor(const Schedule& schedule) {
    auto made = std::make_unique<Listeners>();
    for (const auto& [jack, tap] : taps_)
        if (const Signal* signal = schedule.signal(jack)) made->taps.emplace_back(signal, tap);
    for (const auto& [post, tap] : told_)
        if (const int node = schedule.tellerOf(post); node >= 0) made->told.emplace_back(node, tap);
    ownedListeners_.push_back(std::move(made));
    return ownedListeners_.back().get();
}

void Engine::listenAnew() {
    if (!owned_.empty()) commands_.send({.kind = Command::Kind::Listen, .listeners = listenersFor(*owned_.back())});
}

void Engine::setRunning(bool running) {
    running_ = running;
    urgent_.send({.kind = running ? Urgent::Kind::Run : Urgent::Kind::Stop});
}

void Engine::rewind() {
    urgent_.send({.kind = Urgent::Kind::Rewind});
}

void Engine::setMonitorGain(float gain) {
    urgent_.send({.kind = Urgent::Kind::Monitor, .value = gain});
}

void Engine::setMuted(bool muted) {
    urgent_.send({.kind = Urgent::Kind::Mute, .value = muted ? 1.0f : 0.0f});
}

void Engine::setClick(bool on) {
    urgent_.send({.kind = Urgent::Kind::Click, .value = on ? 1.0f : 0.0f});
}

void Engine::setClockOut(bool on) {
    urgent_.send({.kind = Urgent::Kind::ClockOut, .value = on ? 1.0f : 0.0f});
}

void Engine::setRealCase(bool on) {
    if (on == settings_.realCase) return;
    settings_.realCase = on;
    patch_.reset(); // so that the next one is compiled
}

void Engine::setScenes(bool on) {
    if (on == settings_.scenes) return;
    settings_.scenes = on;
    patch_.reset();
}

void Engine::setListening(std::vector<int> silenced, JackRef listened) {
    if (silenced == settings_.silenced && listened == settings_.listened) return;
    settings_.silenced = std::move(silenced);
    settings_.listened = std::move(listened);
    patch_.reset();
}

void Engine::play(const MidiMessage& message, Time when) {
    urgent_.send({.kind = Urgent::Kind::Play, .message = message, .when = when});
}

bool Engine::moveKnob(const std::string& post, const std::string& knob, double value, double seconds) {
    if (owned_.empty()) return false;
    const int slot = owned_.back()->controlSlot(post, knob);
    if (slot < 0) return false;
    commands_.send({.kind = Command::Kind::Control,
                    .slot = slot,
                    .runs = static_cast<int>(std::lround(seconds * settings_.rate / kRun)),
                    .value = static_cast<float>(value)});
    return true;
}

std::shared_ptr<const Tap> Engine::tap(const JackRef& output) const {
    const auto it = taps_.find(output);
    return it == taps_.end() ? nullptr : it->second;
}

std::shared_ptr<const Tap> Engine::watch(const JackRef& jack, const TapLength& length, const Library& library) {
    if (!patch_ || !library.jack(*patch_, jack)) return nullptr;
    watched_[jack] = length;
    if (owned_.back()->signal(jack)) {
        auto& tap = taps_[jack];
        if (tap && tap->length().samples >= length.samples && tap->length().spans >= length.spans) return tap;
        tap = std::make_shared<Tap>(length);
        listenAnew();
        return tap;
    }
    compile(*patch_, library, false); // only what nobody heard is new
    return tap(jack);
}

void Engine::unwatch(const JackRef& jack) {
    if (watched_.erase(jack) == 0 || !patch_) return;
    const bool cabled = std::ranges::any_of(patch_->cables, [&](const Cable& cable) { return cable.from == jack; });
    if (!cabled) taps_.erase(jack);
    listenAnew();
}

std::shared_ptr<const ToldTap> Engine::told(const std::string& post) {
    if (owned_.empty() || owned_.back()->tellerOf(post) < 0) return nullptr;
    auto& tap = told_[post];
    if (!tap) {
        tap = std::make_shared<ToldTap>();
        listenAnew();
    }
    return tap;
}

void Engine::collect() {
    commands_.flush();
    urgent_.flush();
    Done done;
    while (finished_.pop(done)) {
        freeOne(owned_, done.schedule);
        freeOne(ownedListeners_, done.listeners);
        freeOne(ownedDeliveries_, done.delivery);
    }
}

void Engine::obeyUrgent(std::size_t frames) {
    const double block = static_cast<double>(frames) / deviceRate_;
    Urgent order;
    while (urgent_.queue.pop(order)) {
        switch (order.kind) {
        case Urgent::Kind::Run:
            transport_.running = true;
            break;
        case Urgent::Kind::Stop:
            transport_.running = false;
            break;
        case Urgent::Kind::Rewind:
            transport_.rewind = true;
            break;
        case Urgent::Kind::Monitor:
            ears_.setMonitor(order.value);
            break;
        case Urgent::Kind::Mute:
            ears_.setMuted(order.value > 0.5f);
            break;
        case Urgent::Kind::Click:
            clicks_ = order.value > 0.5f;
            clickAge_ = -1;
            break;
        case Urgent::Kind::ClockOut:
            pulses_.set(order.value > 0.5f);
            break;
        case Urgent::Kind::Play: {
            if (waitingCount_ == static_cast<int>(waiting_.size())) break; // a thousand keys within one block
            // What came during the last block sounds in this one, at its distance from the block's start.
            const double since =
                order.when == Time{} ? 0.0 : std::chrono::duration<double>(order.when - blockStart_).count();
            double at = std::clamp(since, 0.0, block) * settings_.rate; // a device that stood still makes nothing wait
            if (waitingCount_ > 0) at = std::max(at, waiting_[idx(waitingCount_ - 1)].at);
            waiting_[idx(waitingCount_++)] = {at, order.message};
            break;
        }
        }
    }
}

void Engine::obey() {
    while (commands_.queue.read_available() > 0) {
        const Command command = commands_.queue.front();
        if (command.kind == Command::Kind::Swap && fading_) return; // one fade at a time; the rest waits its turn
        commands_.queue.pop();
        switch (command.kind) {
        case Command::Kind::Swap:
            if (current_) {
                command.schedule->takeOver(*current_);
                if (command.fade) {
                    fading_ = current_;
                    fadingTransport_ = transport_;
                    fadeLeft_ = static_cast<int>(kFadeSeconds * settings_.rate);
                } else {
                    finished_.push({.schedule = current_});
                }
            }
            current_ = command.schedule;
            lastFaults_ = current_->faults();
            [[fallthrough]];
        case Command::Kind::Listen:
            if (listeners_) finished_.push({.listeners = listeners_});
            listeners_ = command.listeners;
            break;
        case Command::Kind::Control:
            if (!current_) break;
            if (command.runs >= 0)
                current_->moveControl(command.slot, command.value, command.runs);
            else
                current_->setControl(command.slot, command.value);
            break;
        case Command::Kind::Deliver:
            for (auto& [player, material] : command.delivery->players)
                if (current_) current_->exchange(player, material);
            finished_.push({.delivery = command.delivery});
            break;
        }
    }
}

/// Hands the messages that fall into this run to the blocks; more than a run can hold wait for the next one.
void Engine::playDue() {
    transport_.playedCount = 0;
    int taken = 0;
    while (taken < waitingCount_ && waiting_[idx(taken)].at <= kRun - 1.0 &&
           transport_.playedCount < Transport::kMostPlayed) {
        const Waiting& next = waiting_[idx(taken++)];
        transport_.played[idx(transport_.playedCount++)] = {static_cast<float>(std::max(0.0, next.at)), next.message};
    }
    std::copy(waiting_.begin() + taken, waiting_.begin() + waitingCount_, waiting_.begin());
    waitingCount_ -= taken;
    for (int n = 0; n < waitingCount_; ++n) waiting_[idx(n)].at = std::max(0.0, waiting_[idx(n)].at - kRun);
}

/// What the monitor takes from a schedule: its way out, or the cable that is listened to.
std::pair<float, float> Engine::heard(const Schedule& schedule, int i) {
    const Signal* one = schedule.listened();
    if (!one) return {schedule.left()[i], schedule.right()[i]};
    dc_ += dcPart_ * (static_cast<double>((*one)[i]) - dc_);
    const float safe = 0.5f * ((*one)[i] - static_cast<float>(dc_));
    return {safe, safe};
}

/// A sine of 1 kHz (1.6 kHz on the first of four beats) that dies away in some 20 ms, at -18 dBFS.
void Engine::addClick() {
    const double beat = std::floor(transport_.beats);
    if (beat != clickBeat_ && transport_.running) {
        clickAge_ = 0;
        clickHertz_ = std::fmod(beat, 4.0) == 0.0 ? 1600.0 : 1000.0;
    }
    clickBeat_ = beat;
    for (int i = 0; i < kRun && clickAge_ >= 0; ++i) {
        const double seconds = clickAge_++ / settings_.rate;
        const auto click = static_cast<float>(0.125 * std::sin(2.0 * std::numbers::pi * clickHertz_ * seconds) *
                                              std::exp(-seconds / 0.006));
        mixed_[idx(2 * i)] += click;
        mixed_[idx(2 * i + 1)] += click;
        if (seconds > 0.05) clickAge_ = -1;
    }
}

std::span<const float> Engine::runOnce() {
    obey();
    const std::uint64_t at = samples_;
    samples_ += kRun;
    mixed_.fill(0.0f);
    if (!current_) return mixed_;
    playDue();
    transport_.liveLeft = live_.left();
    transport_.liveRight = live_.right();
    live_.takeRun();
    if (fading_) { // first, so that what both write into one memory is the new one's in the end
        fadingTransport_.running = transport_.running;
        fading_->run(fadingTransport_);
    }
    const double before = transport_.rewind ? 0.0 : transport_.beats;
    current_->run(transport_);
    const double runSeconds = kRun / settings_.rate;
    const double since = static_cast<double>(blockFrames_) / deviceRate_ + runs_ * runSeconds;
    pulses_.run(before, transport_.beats, transport_.running,
                blockStart_ + std::chrono::nanoseconds(std::llround(1e9 * since)), runSeconds);
    if (listeners_) {
        for (const auto& [signal, tap] : listeners_->taps) tap->write(*signal, at);
        for (const auto& [node, tap] : listeners_->told) {
            Told told{};
            current_->tell(node, told);
            tap->write(told);
        }
    }
    ++runs_;
    railRuns_ += current_->howls() || current_->pinned() ? 1 : 0;
    const float fadeLength = static_cast<float>(kFadeSeconds * settings_.rate);
    float peakLeft = 0.0f;
    float peakRight = 0.0f;
    for (int i = 0; i < kRun; ++i) {
        peakLeft = std::max(peakLeft, std::abs(current_->left()[i]));
        peakRight = std::max(peakRight, std::abs(current_->right()[i]));
        auto [left, right] = heard(*current_, i);
        if (fading_) {
            const float old = static_cast<float>(std::max(0, fadeLeft_)) / fadeLength;
            const auto [oldLeft, oldRight] =
                fading_->listened() ? std::pair{left, right} : std::pair{fading_->left()[i], fading_->right()[i]};
            left += old * (oldLeft - left);
            right += old * (oldRight - right);
            --fadeLeft_;
        }
        mixed_[idx(2 * i)] = left / static_cast<float>(kFullScaleVolts);
        mixed_[idx(2 * i + 1)] = right / static_cast<float>(kFullScaleVolts);
    }
    if (clicks_) addClick();
    keepPeak(meters.peakLeft, peakLeft);
    keepPeak(meters.peakRight, peakRight);
    if (fading_ && fadeLeft_ <= 0) {
        finished_.push({.schedule = fading_});
        fading_ = nullptr;
    }
    meters.beats.store(transport_.beats, std::memory_order_relaxed);
    if (const std::uint64_t faults = current_->faults(); faults != lastFaults_) {
        meters.faults.fetch_add(faults - lastFaults_, std::memory_order_relaxed);
        lastFaults_ = faults;
    }
    return mixed_;
}

void Engine::process(float* interleaved, std::size_t frames, const float* in, Time start) {
    const FlushDenormals flush;
    obeyUrgent(frames);
    blockStart_ = start;
    blockFrames_ = frames;
    live_.give(in, frames);
    runs_ = railRuns_ = 0;
    resampler_.fill({interleaved, 2 * frames}, [this] { return runOnce(); });
    const std::span<float> heard(interleaved, 2 * frames);
    const bool instead = playback_.use([&](Playback& playback) { playback.run(heard); });
    ears_.run(heard, runs_ > 0 && !instead ? static_cast<float>(railRuns_) / static_cast<float>(runs_) : 0.0f);
    meters.guard.store(ears_.guard(), std::memory_order_relaxed);
    meters.muted.store(ears_.guard() != Guard::Open, std::memory_order_relaxed);
    if (ears_.limited()) meters.limited.store(true, std::memory_order_relaxed);
    const double used = std::chrono::duration<double>(std::chrono::steady_clock::now() - start).count();
    const double there = static_cast<double>(frames) / deviceRate_;
    const float before = meters.load.load(std::memory_order_relaxed);
    meters.load.store(before + 0.05f * (static_cast<float>(used / there) - before), std::memory_order_relaxed);
    meters.samples.store(samples_, std::memory_order_release);
    meters.frames.fetch_add(frames, std::memory_order_relaxed);
}

} // namespace lariat
