#include "time/line_editor.h"

#include "look/text.h"
#include "timing/responses.h"

#include <algorithm>

namespace lariat {

LineEditor::LineEditor(const Session& session, QObject* parent) : QObject(parent), session_(session) {
    connect(&session_.document, &Document::replaced, this, [this] { shown_.clear(); });
}

int LineEditor::cursor() const {
    return steps().empty() ? 0 : *steps().begin();
}

std::optional<Sequencer> LineEditor::sequencer() const {
    return sequencerOf(session_.document.patch(), session_.document.library(), line().post);
}

const Track* LineEditor::track() const {
    const Pattern* written = session_.document.patch().pattern(line().post);
    if (!written || line().lane) return nullptr;
    const auto& tracks = written->tracksOf(shown(line().post));
    return line().index < static_cast<int>(tracks.size()) ? &tracks[static_cast<std::size_t>(line().index)] : nullptr;
}

const Lane* LineEditor::lane() const {
    const Pattern* written = session_.document.patch().pattern(line().post);
    if (!written || !line().lane) return nullptr;
    const auto& lanes = written->lanesOf(shown(line().post));
    return line().index < static_cast<int>(lanes.size()) ? &lanes[static_cast<std::size_t>(line().index)] : nullptr;
}

int LineEditor::stepCount() const {
    const Pattern* written = session_.document.patch().pattern(line().post);
    return written ? stepsOf(*written, line(), shown(line().post)) : 0;
}

int LineEditor::shown(const std::string& post) const {
    if (const auto other = shown_.find(post); other != shown_.end()) return other->second;
    const auto found = sequencerOf(session_.document.patch(), session_.document.library(), post);
    return found ? variationOf(session_.document.patch(), session_.document.library(), *found) : 0;
}

void LineEditor::showVariation(const std::string& post, int variation) {
    shown_[post] = variation;
    Q_EMIT variationShown();
}

void LineEditor::playVariation(const std::string& post, int variation) {
    const Patch& patch = session_.document.patch();
    const auto found = sequencerOf(patch, session_.document.library(), post);
    if (!found || found->variationKnob.empty()) return;
    std::vector<Edit> edits;
    Pattern pattern = patternOf(patch, post);
    const bool written = variation == 0 || variation <= static_cast<int>(pattern.others.size());
    if (!written) {
        const int from = shown(post);
        const Variation copy{pattern.tracksOf(from), pattern.lanesOf(from), {}};
        while (static_cast<int>(pattern.others.size()) < variation) pattern.others.push_back(copy);
        edits.emplace_back(SetPattern{std::move(pattern)});
    }
    shown_.erase(post);
    const double now =
        knobValue(*patch.post(post), *session_.document.library().part(*patch.post(post))->knob(found->variationKnob));
    if (now != static_cast<double>(variation))
        edits.emplace_back(SetKnob{post, found->variationKnob, static_cast<double>(variation)});
    const QString letter(QLatin1Char(static_cast<char>('A' + variation)));
    if (!edits.empty())
        session_.document.apply(edits,
                                written ? tr("play variation %1").arg(letter) : tr("begin variation %1").arg(letter));
    Q_EMIT variationShown();
}

bool LineEditor::change(const std::string& post, const QString& name, const std::function<void(Pattern&)>& how,
                        const QString& what) {
    const Patch& patch = session_.document.patch();
    const auto found = sequencerOf(patch, session_.document.library(), post);
    if (!found) return false;
    if (!found->plays) {
        Q_EMIT refused(tr("The steps of %1 are its knobs; drag them up and down.").arg(q(patch.post(post)->name)));
        return false;
    }
    Pattern next = patternOf(patch, post);
    how(next);
    if (const Sentence why = tooMuchFor(*found, next); !why.empty()) {
        Q_EMIT refused(tr("%1 cannot hold that: %2. Take another sequencer from the case for the rest (Ctrl+E).")
                           .arg(q(patch.post(post)->name), said(why)));
        return false;
    }
    if (const Pattern* now = patch.pattern(post); now && *now == next) return true;
    if (what.isEmpty()) return session_.document.apply({SetPattern{std::move(next)}}, name);
    session_.document.goOn({SetPattern{std::move(next)}}, name, what);
    return true;
}

bool LineEditor::changeTrack(const QString& name, const std::function<void(Track&)>& how, const QString& what) {
    if (line().post.empty() || line().lane) return false;
    const LineRef at = line();
    return change(
        at.post, name, [&](Pattern& p) { how(trackAt(p, shown(at.post), at.index)); }, what);
}

bool LineEditor::changeLane(const QString& name, const std::function<void(Lane&)>& how, const QString& what) {
    if (line().post.empty() || !line().lane) return false;
    const LineRef at = line();
    return change(
        at.post, name, [&](Pattern& p) { how(laneAt(p, shown(at.post), at.index)); }, what);
}

bool LineEditor::changeStride(const QString& name, const std::function<void(Stride&)>& how) {
    return line().lane ? changeLane(name, [&](Lane& lane) { how(lane.stride); })
                       : changeTrack(name, [&](Track& track) { how(track.stride); });
}

bool LineEditor::changeSteps(const QString& name, const std::function<void(Step&)>& how, const QString& what) {
    const std::set<int> chosen = steps();
    return changeTrack(
        name,
        [&](Track& track) {
            for (std::size_t i = 0; i < track.steps.size(); ++i)
                if (chosen.empty() || chosen.contains(static_cast<int>(i))) how(track.steps[i]);
        },
        what);
}

QString LineEditor::words() const {
    const Pattern* written = session_.document.patch().pattern(line().post);
    return written ? q(lineText(*written, line(), shown(line().post))) : QString();
}

QString LineEditor::setWords(const QString& words) {
    const LineRef at = line();
    if (at.post.empty()) return tr("Choose a track or lane first.");
    auto made = withLine(patternOf(session_.document.patch(), at.post), at, shown(at.post), words.toStdString());
    if (!made) return said(made.error().reason);
    change(at.post, tr("write steps"), [&](Pattern& pattern) { pattern = std::move(*made); });
    return {};
}

template <class ForTrack, class ForLane>
void LineEditor::onLine(const QString& name, const ForTrack& forTrack, const ForLane& forLane) {
    const std::set<int> chosen = steps();
    if (line().lane)
        changeLane(name, [&](Lane& lane) { lane.hits = forLane(std::move(lane.hits), chosen); });
    else
        changeTrack(name, [&](Track& track) { track.steps = forTrack(std::move(track.steps), chosen); });
}

void LineEditor::reverse() {
    onLine(tr("reverse steps"), reversed<Steps>, reversed<Hits>);
}

void LineEditor::shift(int by) {
    const auto turned = [by](auto steps, const std::set<int>& chosen) { return rotated(std::move(steps), chosen, by); };
    onLine(tr("shift steps"), turned, turned);
}

void LineEditor::thin() {
    onLine(tr("thin out steps"), thinned<Steps>, thinned<Hits>);
}

void LineEditor::duplicate() {
    const int before = stepCount();
    onLine(tr("duplicate steps"), duplicated<Steps>, duplicated<Hits>);
    if (stepCount() == static_cast<int>(kMaxSteps) && before > 0)
        Q_EMIT refused(tr("A line has %1 steps at most; what would be beyond is left out.").arg(kMaxSteps));
}

void LineEditor::clear() {
    onLine(tr("clear steps"), cleared<Steps>, cleared<Hits>);
}

void LineEditor::setLength(int length) {
    const auto longer = [length](auto steps, const std::set<int>&) { return lengthened(std::move(steps), length); };
    onLine(tr("change the length"), longer, longer);
}

void LineEditor::humanize() {
    const std::set<int> chosen = steps();
    // Another seed each time, and the same for the same place in the history.
    const auto seed = static_cast<std::uint64_t>(session_.document.history().index()) + session_.document.patch().seed;
    changeTrack(tr("humanize steps"),
                [&](Track& track) { track.steps = humanized(std::move(track.steps), chosen, seed); });
    if (line().lane) Q_EMIT refused(tr("A lane has no velocities; swing makes it uneven."));
}

void LineEditor::moveNotes(int by, bool inKey) {
    const std::set<int> chosen = steps();
    const auto scale = key();
    changeTrack(tr("move notes"), [&](Track& track) {
        track.steps = inKey && scale ? movedInKey(std::move(track.steps), chosen, *scale, by)
                                     : transposed(std::move(track.steps), chosen, by);
    });
}

void LineEditor::copy() {
    const auto taken = [&](const auto& from) {
        auto out = from;
        out.clear();
        for (std::size_t i = 0; i < from.size(); ++i)
            if (steps().empty() || steps().contains(static_cast<int>(i))) out.push_back(from[i]);
        return out;
    };
    if (const Track* written = track()) copied_ = taken(written->steps);
    if (const Lane* written = lane()) copied_ = taken(written->hits);
}

void LineEditor::paste() {
    const int at = cursor();
    if (const auto* hits = std::get_if<Hits>(&copied_); hits && line().lane)
        changeLane(tr("paste steps"), [&](Lane& lane) { lane.hits = pasted(std::move(lane.hits), at, *hits); });
    else if (const auto* notes = std::get_if<Steps>(&copied_); notes && !notes->empty() && !line().lane)
        changeTrack(tr("paste steps"), [&](Track& track) { track.steps = pasted(std::move(track.steps), at, *notes); });
    else
        Q_EMIT refused(tr("Copy steps of a line of the same kind first; notes go to tracks, hits to lanes."));
}

const KnobInfo* LineEditor::knob(const std::string& post, const std::string& control) const {
    const Post* found = session_.document.patch().post(post);
    const PartInfo* part = found ? session_.document.library().part(*found) : nullptr;
    if (!part) return nullptr;
    for (const char* type : {"step-sequencer", "trigger-pattern"})
        if (const KnobInfo* knob = part->knobFor(type, control)) return knob;
    return nullptr;
}

void LineEditor::turn(const std::string& post, const std::string& control, double value) {
    if (const KnobInfo* found = knob(post, control))
        session_.document.turnKnob(post, found->id, std::clamp(value, found->scale.min, found->scale.max));
}

} // namespace lariat
