#include "time/recorder.h"

#include "look/text.h"
#include "model/scene.h"

#include <algorithm>
#include <cmath>

namespace lariat {
namespace {

constexpr int kPollMilliseconds = 8;
constexpr std::size_t kSeen = 4096; ///< samples of the clock that are looked at each time
constexpr std::size_t kRemembered = 64;
constexpr std::size_t kOffsets = 24;
constexpr double kShortest = 0.05; ///< part of a step that a note stays open at least

} // namespace

Recorder::Recorder(const Session& session, LineEditor& editor, QObject* parent)
    : QObject(parent), session_(session), editor_(editor) {
    timer_.setTimerType(Qt::PreciseTimer);
    timer_.setInterval(kPollMilliseconds);
    connect(&timer_, &QTimer::timeout, this, &Recorder::poll);
    connect(&session_.sound, &Sound::played, this, &Recorder::played);
    connect(&session_.document, &Document::replaced, this, &Recorder::stop);
    connect(&session_.sound, &Sound::runningChanged, this, [this](bool running) {
        if (!running) stop();
    });
}

Recorder::~Recorder() {
    if (state_ != State::Off) session_.sound.engine().setClick(false);
}

int Recorder::count() const {
    const Pattern* written = session_.document.patch().pattern(line_.post);
    return written ? stepsOf(*written, line_, variation_) : 0;
}

int Recorder::beatsLeft() const {
    const double beats = session_.sound.engine().meters.beats.load();
    return std::max(0, static_cast<int>(std::ceil(startBeat_ - beats)));
}

void Recorder::start() {
    if (state_ != State::Off) return;
    const auto sequencer = editor_.sequencer();
    if (!sequencer || !sequencer->plays) {
        Q_EMIT refused(tr("Choose a track or a lane first; what you play goes there."));
        return;
    }
    line_ = editor_.line();
    variation_ = editor_.shown(line_.post);
    clock_ = {line_.post, sequencer->clock};
    Engine& engine = session_.sound.engine();
    tap_ = engine.watch(clock_, {1u << 15, 1u << 8}, session_.document.library());
    if (!tap_) {
        Q_EMIT refused(tr("Nothing steps %1; tie a clock to its clock input first.")
                           .arg(q(session_.document.patch().post(line_.post)->name)));
        return;
    }
    if (count() == 0) { // a line to play into
        editor_.change(line_.post, tr("write a line"), [&](Pattern& pattern) {
            line_.lane ? (void)laneAt(pattern, variation_, line_.index)
                       : (void)trackAt(pattern, variation_, line_.index);
        });
        if (count() == 0) return;
    }
    told_ = toldAt(*sequencer, line_);
    began_.clear();
    offsets_.clear();
    held_.clear();
    fresh_.clear();
    lastStep_ = -1;
    taken_ = 0;
    ++takes_;
    origin_ = std::chrono::steady_clock::now();
    if (!engine.running()) {
        session_.sound.rewind();
        session_.sound.setRunning(true);
        startBeat_ = kBeatsPerBar * settings_.countInBars;
    } else {
        const double now = engine.meters.beats.load();
        startBeat_ = settings_.countInBars == 0
                         ? now
                         : kBeatsPerBar * (std::ceil(now / kBeatsPerBar) + settings_.countInBars - 1.0);
    }
    engine.setClick(settings_.click);
    state_ = State::CountIn;
    timer_.start();
    poll();
    Q_EMIT changed();
}

void Recorder::stop() {
    if (state_ == State::Off) return;
    const auto now = std::chrono::steady_clock::now();
    while (!held_.empty()) letGo(held_.begin()->first, now);
    state_ = State::Off;
    timer_.stop();
    Engine& engine = session_.sound.engine();
    engine.setClick(false);
    tap_.reset();
    engine.unwatch(clock_);
    session_.document.endTurning();
    Q_EMIT changed();
    Q_EMIT done(tr("%n note(s) taken; Ctrl+Z takes the whole take back.", nullptr, taken_));
}

void Recorder::poll() {
    follow();
    if (state_ == State::CountIn && session_.sound.engine().meters.beats.load() >= startBeat_ - 1e-3) {
        state_ = State::On;
        Q_EMIT changed();
    }
}

/// Where the line is: its steps begin at edges of the clock.
void Recorder::follow() {
    if (!tap_) return;
    const auto told = session_.sound.engine().told(line_.post);
    if (!told) { // the sequencer went while it was recorded
        stop();
        return;
    }
    const Snapshot seen = tap_->snapshot(kSeen);
    const double now = std::chrono::duration<double>(std::chrono::steady_clock::now() - origin_).count();
    const double rate = session_.sound.engine().rate();
    offsets_.push_back(now - static_cast<double>(seen.end) / rate);
    if (offsets_.size() > kOffsets) offsets_.pop_front();
    const int step = told->read()[told_];
    if (step == lastStep_ || step < 0) return;
    lastStep_ = step;
    double at = static_cast<double>(seen.end);
    for (const Snapshot::At& edge : seen.edges)
        if (edge.rising) at = static_cast<double>(seen.end - seen.volts.size()) + edge.sample;
    began_.push_back({at, step});
    if (began_.size() > kRemembered) began_.pop_front();
    if (state_ == State::On) stepBegins(step);
}

/// A round goes on: what was not played over gives way, if it is to.
void Recorder::stepBegins(int step) {
    if (step >= count()) return; // the line was made shorter meanwhile
    for (auto& [note, held] : held_)
        if (held.step != step && !line_.lane) fresh_.insert(step); // a note that is held covers what it runs over
    if (settings_.replaces && !fresh_.contains(step))
        write([&](Track& track) { track.steps[static_cast<std::size_t>(step)] = Step{}; },
              [&](Lane& lane) { lane.hits[static_cast<std::size_t>(step)] = Hit::Rest; });
    // The step before is over: in the next round it may be replaced.
    if (began_.size() > 1) fresh_.erase(began_[began_.size() - 2].step);
}

/// The sample of the clock's tap that is heard at a time.
double Recorder::sampleAt(Time when) const {
    if (offsets_.empty()) return 0.0;
    double mean = 0.0;
    for (const double offset : offsets_) mean += offset / static_cast<double>(offsets_.size());
    const double seconds = std::chrono::duration<double>(when - origin_).count();
    const double late = 1e-3 * Sound::latencyMilliseconds(session_.sound.blockFrames());
    return (seconds - mean - late) * session_.sound.engine().rate();
}

std::optional<Recorder::Place> Recorder::placeAt(double sample) const {
    if (began_.size() < 2) return std::nullopt;
    const double length = (began_.back().sample - began_.front().sample) / static_cast<double>(began_.size() - 1);
    if (length <= 0.0) return std::nullopt;
    for (auto it = began_.rbegin(); it != began_.rend(); ++it)
        if (it->sample <= sample) {
            const double part = (sample - it->sample) / length;
            Place place{it->step, part, length};
            for (; place.part >= 1.0; place.part -= 1.0) place.step = next(place.step);
            return place;
        }
    return Place{began_.front().step, 0.0, length};
}

int Recorder::next(int step) const {
    const Pattern* written = session_.document.patch().pattern(line_.post);
    const Stride* stride = written ? strideOf(*written, line_, variation_) : nullptr;
    const int steps = std::max(1, count());
    const int by = stride && stride->direction == Direction::Backward ? -1 : 1;
    return ((step + by) % steps + steps) % steps;
}

void Recorder::played(const MidiMessage& message, Time when) {
    if (state_ == State::Off) return;
    if (message.kind() == 0x90 && message.data2 > 0)
        strike(message.data1, message.data2, when);
    else if (message.kind() == 0x80 || message.kind() == 0x90)
        letGo(message.data1, when);
}

void Recorder::strike(int note, int velocity, Time when) {
    follow();
    const double sample = sampleAt(when);
    const auto place = placeAt(sample);
    if (!place) return;
    // In the count-in only what is played for its first step counts.
    if (state_ == State::CountIn && session_.sound.engine().meters.beats.load() < startBeat_ - 0.25) return;
    int step = place->step;
    double off = place->part;
    if (off >= 0.5) {
        step = next(step);
        off -= 1.0;
    }
    off *= 1.0 - 0.01 * settings_.quantize;
    if (off < 0.0 && !line_.lane && 1.0 + off <= kLatest) { // early: late in the step before
        const int steps = std::max(1, count());
        const int before = next(step) == (step + 1) % steps ? (step + steps - 1) % steps : (step + 1) % steps;
        step = before;
        off += 1.0;
    }
    if (step >= count()) return;
    const double late = std::clamp(std::round(100.0 * std::max(0.0, off)) / 100.0, 0.0, kLatest);
    held_[note] = {step, late, sample};
    fresh_.insert(step);
    ++taken_;
    write(
        [&](Track& track) {
            Step& written = track.steps[static_cast<std::size_t>(step)];
            written = Step{.kind = Step::Kind::Note};
            written.note = note;
            written.velocity = velocity;
            written.late = late;
        },
        [&](Lane& lane) { lane.hits[static_cast<std::size_t>(step)] = velocity > 112 ? Hit::Accent : Hit::Hit; });
}

void Recorder::letGo(int note, Time when) {
    const auto found = held_.find(note);
    if (found == held_.end()) return;
    const Held held = found->second;
    held_.erase(found);
    const auto place = placeAt(held.at);
    if (line_.lane || !place || held.step >= count()) return;
    const double steps = std::max(kShortest, (sampleAt(when) - held.at) / place->samples);
    const int whole = std::min(count() - 1, static_cast<int>(std::floor(held.late + steps)));
    write(
        [&](Track& track) {
            int at = held.step;
            Step& first = track.steps[static_cast<std::size_t>(at)];
            if (first.kind != Step::Kind::Note || first.note != note) return; // another note took its place
            if (whole == 0) {
                first.gate = std::clamp(std::round(100.0 * steps) / 100.0, kShortest, 1.0);
                return;
            }
            first.gate = std::clamp(std::round(100.0 * (held.late + steps - whole)) / 100.0, kShortest, 1.0);
            for (int n = 0; n < whole; ++n) {
                at = next(at);
                Step& tied = track.steps[static_cast<std::size_t>(at)];
                if (at == held.step) return;
                tied = Step{};
                tied.kind = Step::Kind::Tie;
                tied.gate = 1.0;
                tied.note = note;
            }
        },
        [](Lane&) {});
}

void Recorder::write(const std::function<void(Track&)>& track, const std::function<void(Lane&)>& lane) {
    const int steps = count();
    if (steps == 0) return; // the line was taken away meanwhile
    editor_.change(
        line_.post, tr("record a take"),
        [&](Pattern& pattern) {
            if (line_.lane)
                lane(laneAt(pattern, variation_, line_.index));
            else
                track(trackAt(pattern, variation_, line_.index));
        },
        QStringLiteral("take-%1").arg(takes_));
}

} // namespace lariat
