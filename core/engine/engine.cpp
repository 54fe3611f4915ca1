#include "engine/engine.h"

#include "library/meaning.h"

#include "units/level.h"

#include <algorithm>
#include <chrono>
#include <cmath>

namespace lariat {
namespace {

constexpr double kFadeSeconds = 0.010;
constexpr double kRunawaySeconds = 0.5; ///< at the rails, after which the monitor is shut
constexpr float kCeiling = 0.891f;      ///< -1 dBFS: what the monitor limiter holds

void keepPeak(std::atomic<float>& peak, float value) {
    if (value > peak.load(std::memory_order_relaxed)) peak.store(value, std::memory_order_relaxed);
}

} // namespace

Engine::Engine(EngineSettings settings, double deviceRate)
    : settings_(settings), deviceRate_(deviceRate), resampler_(settings.rate, deviceRate),
      live_(deviceRate, settings.rate) {}

Engine::~Engine() = default;

void Engine::send(const Command& command) {
    backlog_.push_back(command);
    flush();
}

/// A device that stands still may leave the queue full; what does not fit waits for the next occasion.
void Engine::flush() {
    while (!backlog_.empty() && commands_.push(backlog_.front())) backlog_.pop_front();
}

bool Engine::onlyKnobsDiffer(const Patch& patch, const Library& library) const {
    if (!patch_ || patch.posts.size() != patch_->posts.size() || patch.patterns != patch_->patterns ||
        patch.performances != patch_->performances || patch.seed != patch_->seed ||
        patch.cables.size() != patch_->cables.size())
        return false;
    for (std::size_t i = 0; i < patch.cables.size(); ++i) {
        const Cable& a = patch.cables[i];
        const Cable& b = patch_->cables[i];
        if (a.id != b.id || a.from != b.from || a.to != b.to) return false;
    }
    for (std::size_t i = 0; i < patch.posts.size(); ++i) {
        const Post& a = patch.posts[i];
        const Post& b = patch_->posts[i];
        if (a.id != b.id || a.slot != b.slot || a.module != b.module || a.part != b.part || a.sample != b.sample ||
            a.tuning != b.tuning)
            return false;
        if (a.knobs == b.knobs) continue;
        const PartInfo& part = *library.part(a);
        for (const KnobInfo& knob : part.knobs)
            if (knobValue(a, knob) != knobValue(b, knob) && movesMeanings(part, knob.id)) return false;
    }
    return true;
}

void Engine::setPatch(const Patch& patch, const Library& library) {
    collect();
    if (onlyKnobsDiffer(patch, library)) {
        for (std::size_t i = 0; i < patch.posts.size(); ++i) {
            const Post& post = patch.posts[i];
            if (post.knobs == patch_->posts[i].knobs) continue;
            const PartInfo& part = *library.part(post);
            for (const KnobInfo& knob : part.knobs) {
                if (knobValue(post, knob) == knobValue(patch_->posts[i], knob)) continue;
                send({Command::Kind::Control, nullptr, owned_.back()->controlSlot(post.id, knob.id),
                      static_cast<float>(knobInForce(patch, post, part, knob).value)});
            }
        }
        patch_ = patch;
        return;
    }
    auto schedule = std::make_unique<Schedule>(patch, library, settings_, taps_);
    if (!owned_.empty()) schedule->inheritFrom(*owned_.back());
    lateCables_ = schedule->lateCables();
    normals_ = schedule->normals();
    blockCount_ = schedule->blockCount();
    std::erase_if(taps_, [&](const auto& entry) { return schedule->signal(entry.first) == nullptr; });
    Schedule* raw = schedule.get();
    owned_.push_back(std::move(schedule));
    patch_ = patch;
    send({Command::Kind::Swap, raw, -1, 0.0f, {}});
}

void Engine::setRunning(bool running) {
    running_ = running;
    send({running ? Command::Kind::Run : Command::Kind::Stop, nullptr, -1, 0.0f, {}});
}

void Engine::rewind() {
    send({Command::Kind::Rewind, nullptr, -1, 0.0f, {}});
}

void Engine::setMonitorGain(float gain) {
    send({Command::Kind::Monitor, nullptr, -1, gain, {}});
}

void Engine::setRealCase(bool on) {
    if (on == settings_.realCase) return;
    settings_.realCase = on;
    patch_.reset(); // so that the next one is compiled
}

void Engine::setListening(std::vector<int> silenced, JackRef listened) {
    if (silenced == settings_.silenced && listened == settings_.listened) return;
    settings_.silenced = std::move(silenced);
    settings_.listened = std::move(listened);
    patch_.reset();
}

void Engine::play(const MidiMessage& message) {
    send({Command::Kind::Play, nullptr, -1, 0.0f, message});
}

std::shared_ptr<const Tap> Engine::tap(const JackRef& output) const {
    const auto it = taps_.find(output);
    return it == taps_.end() ? nullptr : it->second;
}

void Engine::collect() {
    flush();
    Schedule* done = nullptr;
    while (finished_.pop(done)) std::erase_if(owned_, [&](const auto& owned) { return owned.get() == done; });
}

void Engine::obey() {
    while (commands_.read_available() > 0) {
        const Command command = commands_.front();
        if (command.kind == Command::Kind::Swap && fading_) return; // one fade at a time; the rest waits its turn
        commands_.pop();
        switch (command.kind) {
        case Command::Kind::Swap:
            if (current_) {
                command.schedule->takeOver(*current_);
                fading_ = current_;
                fadingTransport_ = transport_;
                fadeLeft_ = static_cast<int>(kFadeSeconds * settings_.rate);
            }
            current_ = command.schedule;
            muted_ = false;
            lastFaults_ = current_->faults();
            break;
        case Command::Kind::Control:
            if (current_) current_->setControl(command.slot, command.value);
            break;
        case Command::Kind::Run:
            transport_.running = true;
            break;
        case Command::Kind::Stop:
            transport_.running = false;
            break;
        case Command::Kind::Rewind:
            transport_.rewind = true;
            break;
        case Command::Kind::Monitor:
            monitor_ = command.value;
            muted_ = false;
            break;
        case Command::Kind::Play:
            if (transport_.playedCount < static_cast<int>(transport_.played.size()))
                transport_.played[static_cast<std::size_t>(transport_.playedCount++)] = command.message;
            break;
        }
    }
}

/// A sound that stays beyond the exact range of an output for half a second is a loop gain above one, not music: most
/// of each run lies at the rails. The monitor is shut until somebody touches it or mends the patch.
void Engine::guardAgainstRunaway() {
    int beyond = 0;
    for (int i = 0; i < kRun; ++i)
        beyond +=
            std::max(std::abs(current_->left()[i]), std::abs(current_->right()[i])) > 0.98f * kLinearVolts ? 1 : 0;
    const double seconds = kRun / settings_.rate;
    runaway_ = beyond > kRun / 2 ? runaway_ + seconds : std::max(0.0, runaway_ - seconds);
    if (runaway_ > kRunawaySeconds) {
        muted_ = true;
        runaway_ = 0.0;
    }
    meters.muted.store(muted_, std::memory_order_relaxed);
}

/// What the monitor takes from a schedule: its way out, or the cable that is listened to.
std::pair<float, float> Engine::heard(const Schedule& schedule, int i) {
    const Signal* one = schedule.listened();
    if (!one) return {schedule.left()[i], schedule.right()[i]};
    constexpr float kSettles = 125.0f; // 20 Hz: what lies below is no sound
    dc_ += kSettles / static_cast<float>(settings_.rate) * ((*one)[i] - dc_);
    const float safe = 0.5f * ((*one)[i] - dc_);
    return {safe, safe};
}

std::span<const float> Engine::runOnce() {
    obey();
    mixed_.fill(0.0f);
    if (!current_) return mixed_;
    transport_.liveLeft = live_.left();
    transport_.liveRight = live_.right();
    live_.takeRun();
    current_->run(transport_, true);
    if (fading_) fading_->run(fadingTransport_, false);
    const float fadeLength = static_cast<float>(kFadeSeconds * settings_.rate);
    guardAgainstRunaway();
    const float monitorStep = ((muted_ ? 0.0f : monitor_) - monitorNow_) * (1.0f / 16.0f) / static_cast<float>(kRun);
    for (int i = 0; i < kRun; ++i) {
        keepPeak(meters.peakLeft, std::abs(current_->left()[i]));
        keepPeak(meters.peakRight, std::abs(current_->right()[i]));
        auto [left, right] = heard(*current_, i);
        if (fading_) {
            const float old = static_cast<float>(std::max(0, fadeLeft_)) / fadeLength;
            const auto [oldLeft, oldRight] =
                fading_->listened() ? std::pair{left, right} : std::pair{fading_->left()[i], fading_->right()[i]};
            left += old * (oldLeft - left);
            right += old * (oldRight - right);
            --fadeLeft_;
        }
        monitorNow_ += monitorStep;
        const float toFullScale = monitorNow_ / static_cast<float>(kFullScaleVolts);
        left *= toFullScale;
        right *= toFullScale;
        // Guards ears: falls at once, recovers within a quarter of a second.
        const float loudest = std::max(std::abs(left), std::abs(right));
        limiter_ = std::min(1.0f, limiter_ + 4.0f / static_cast<float>(settings_.rate));
        if (loudest * limiter_ > kCeiling) {
            limiter_ = kCeiling / loudest;
            meters.limited.store(true, std::memory_order_relaxed);
        }
        mixed_[static_cast<std::size_t>(2 * i)] = left * limiter_;
        mixed_[static_cast<std::size_t>(2 * i + 1)] = right * limiter_;
    }
    if (fading_ && fadeLeft_ <= 0) {
        finished_.push(fading_);
        fading_ = nullptr;
    }
    meters.beats.store(transport_.beats, std::memory_order_relaxed);
    if (const std::uint64_t faults = current_->faults(); faults != lastFaults_) {
        meters.faults.fetch_add(faults - lastFaults_, std::memory_order_relaxed);
        lastFaults_ = faults;
    }
    return mixed_;
}

void Engine::process(float* interleaved, std::size_t frames, const float* in) {
    using Clock = std::chrono::steady_clock;
    const auto start = Clock::now();
    const FlushDenormals flush;
    live_.give(in, frames);
    resampler_.fill({interleaved, 2 * frames}, [this] { return runOnce(); });
    const double used = std::chrono::duration<double>(Clock::now() - start).count();
    const double there = static_cast<double>(frames) / deviceRate_;
    const float before = meters.load.load(std::memory_order_relaxed);
    meters.load.store(before + 0.05f * (static_cast<float>(used / there) - before), std::memory_order_relaxed);
    meters.frames.fetch_add(frames, std::memory_order_relaxed);
}

} // namespace lariat
