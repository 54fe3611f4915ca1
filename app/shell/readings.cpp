#include "shell/readings.h"

#include "look/text.h"
#include "widgets/frames.h"

#include <algorithm>
#include <tuple>

namespace lariat {
namespace {

constexpr int kMeasuredPerFrame = 2;
constexpr int kHeldColumns = 600; ///< of a picture that is held

/// Everything that is written of it, and its scale.
auto face(const LiveTrace& trace) {
    return std::tuple(trace.reading().kind, trace.range().low, trace.range().high, rangeText(trace.reading()),
                      detailText(trace.reading()));
}

} // namespace

Readings::Readings(Document& document, Sound& sound, QObject* parent)
    : QObject(parent), document_(document), sound_(sound) {
    connect(&document_, &Document::replaced, this, [this] {
        traces_.clear();
        setHeld(false);
    });
    connect(&document_, &Document::changed, this, [this] {
        std::erase_if(traces_, [&](const auto& entry) { return !sound_.engine().tap(entry.first); });
        for (auto& [output, trace] : traces_) trace.forget();
        gather();
    });
    connect(&frames_, &QTimer::timeout, this, &Readings::measureSome);
}

void Readings::want(const QObject* who, std::vector<JackRef> outputs) {
    if (!wanted_.contains(who))
        connect(who, &QObject::destroyed, this, [this, who] {
            wanted_.erase(who);
            gather();
        });
    wanted_[who] = std::move(outputs);
    gather();
}

void Readings::gather() {
    turn_.clear();
    for (const auto& [who, outputs] : wanted_)
        for (const JackRef& output : outputs)
            if (std::ranges::find(turn_, output) == turn_.end()) turn_.push_back(output);
    leaders_.clear();
    for (std::size_t i = turn_.size(); i-- > 0;) {
        const PitchSource source = pitchSource(document_.patch(), document_.library(), turn_[i]);
        if (source.output.post.empty()) continue;
        leaders_[turn_[i]] = source;
        if (std::ranges::find(turn_, source.output) == turn_.end()) turn_.push_back(source.output);
    }
    turn_.empty() ? frames_.stop() : frames_.start(kScreenFrame);
}

void Readings::measureSome() {
    if (held_ || turn_.empty()) return;
    for (int i = 0; i < kMeasuredPerFrame; ++i) measure(turn_[next_++ % turn_.size()]);
}

void Readings::measure(const JackRef& output) {
    const auto tap = sound_.engine().tap(output);
    const JackInfo* jack = document_.library().jack(document_.patch(), output);
    if (!tap || !jack) return;
    const bool isNew = !traces_.contains(output);
    LiveTrace& trace = traces_[output];
    const auto before = face(trace);
    trace.measure(*tap, sound_.engine().rate(), jack->kind);
    if (const auto leader = leaders_.find(output); leader != leaders_.end())
        if (const LiveTrace* leading = this->trace(leader->second.output)) trace.follow(leader->second, *leading);
    if (isNew || face(trace) != before) Q_EMIT changed(output);
}

const LiveTrace* Readings::trace(const JackRef& output) const {
    const auto found = traces_.find(output);
    return found == traces_.end() ? nullptr : &found->second;
}

std::vector<MinMax> Readings::columns(const JackRef& output, int columns) const {
    if (const auto picture = pictures_.find(output); picture != pictures_.end()) return picture->second;
    const LiveTrace* known = trace(output);
    const auto tap = sound_.engine().tap(output);
    return tap && known ? known->columns(*tap, sound_.engine().rate(), columns) : std::vector<MinMax>{};
}

QString Readings::text(const JackRef& output) const {
    const LiveTrace* known = trace(output);
    return known ? q(rangeText(known->reading())) + QLatin1Char(' ') + said(detailReading(known->reading()))
                 : QString();
}

QString Readings::wholeText(const JackRef& output) const {
    const LiveTrace* known = trace(output);
    return known ? said(wholeReading(known->reading())) : QString();
}

void Readings::setHeld(bool held) {
    if (held == held_) return;
    pictures_.clear();
    if (held)
        for (const auto& [output, trace] : traces_) pictures_[output] = columns(output, kHeldColumns);
    held_ = held;
    Q_EMIT heldChanged(held);
}

} // namespace lariat
