#include "time/move_recorder.h"

#include "engine/automation.h"
#include "look/text.h"

#include <algorithm>
#include <cmath>

namespace lariat {
namespace {

constexpr double kWithin = 0.015; ///< of the travel, by which a straight piece may differ from what was turned
constexpr double kPause = 1.0;    ///< beats without a turn after which another move begins

} // namespace

std::vector<TurnedPoint> thinned(const std::vector<TurnedPoint>& points, double within) {
    if (points.size() < 3) return points;
    const TurnedPoint& a = points.front();
    const TurnedPoint& b = points.back();
    double most = 0.0;
    std::size_t farthest = 0;
    for (std::size_t i = 1; i + 1 < points.size(); ++i) {
        const double part = b.beat > a.beat ? (points[i].beat - a.beat) / (b.beat - a.beat) : 0.0;
        const double off = std::abs(points[i].travel - (a.travel + part * (b.travel - a.travel)));
        if (off > most) {
            most = off;
            farthest = i;
        }
    }
    if (most <= within) return {a, b};
    const auto middle = points.begin() + static_cast<long>(farthest);
    std::vector<TurnedPoint> out = thinned({points.begin(), middle + 1}, within);
    const auto rest = thinned({middle, points.end()}, within);
    out.insert(out.end(), rest.begin() + 1, rest.end());
    return out;
}

MoveRecorder::MoveRecorder(const Session& session, QObject* parent) : QObject(parent), session_(session) {
    connect(&session_.document, &Document::replaced, this, [this] {
        on_ = false;
        turned_.clear();
        Q_EMIT changed();
    });
    connect(&session_.document, &Document::changed, this, &MoveRecorder::watch);
}

std::map<MoveRecorder::Key, double> MoveRecorder::standing() const {
    std::map<Key, double> out;
    for (const Post& post : session_.document.patch().posts)
        for (const KnobInfo& knob : session_.document.library().part(post)->knobs)
            out[{post.id, knob.id}] = knob.scale.toFraction(knobValue(post, knob));
    return out;
}

void MoveRecorder::start(Hand hand) {
    if (on_) return;
    if (session_.document.patch().scenes.empty()) {
        Q_EMIT refused(tr("Keep a scene first; moves belong to scenes."));
        return;
    }
    on_ = true;
    hand_ = hand;
    turned_.clear();
    before_ = standing();
    if (!session_.sound.playsScenes()) session_.sound.setScenes(true);
    if (!session_.sound.engine().running()) {
        session_.sound.rewind();
        session_.sound.setRunning(true);
    }
    Q_EMIT changed();
}

void MoveRecorder::watch() {
    if (!on_) return;
    const double beat = session_.sound.engine().meters.beats.load();
    const auto now = standing();
    for (const auto& [knob, travel] : now) {
        const auto then = before_.find(knob);
        if (then == before_.end() || then->second == travel) continue;
        auto& points = turned_[knob];
        if (points.empty() || beat - points.back().beat > kPause) points.push_back({beat, then->second});
        points.push_back({std::max(beat, points.back().beat), travel});
    }
    before_ = now;
}

void MoveRecorder::stop() {
    if (!on_) return;
    on_ = false;
    std::vector<Scene> scenes = session_.document.patch().scenes;
    int made = 0;
    int beyond = 0;
    for (const auto& [knob, points] : turned_) {
        const Post* post = session_.document.patch().post(knob.first);
        const KnobInfo* info = post ? session_.document.library().part(*post)->knob(knob.second) : nullptr;
        if (!info) continue;
        // Pieces between pauses, each thinned, each in the scene in which it begins.
        for (std::size_t first = 0; first < points.size();) {
            std::size_t last = first;
            while (last + 1 < points.size() && points[last + 1].beat - points[last].beat <= kPause) ++last;
            const auto straight = thinned(
                {points.begin() + static_cast<long>(first), points.begin() + static_cast<long>(last) + 1}, kWithin);
            for (std::size_t i = 1; i < straight.size(); ++i) {
                const auto [scene, start] = sceneAt(scenes, straight[i - 1].beat);
                if (scene < 0) {
                    ++beyond;
                    continue;
                }
                Scene& into = scenes[static_cast<std::size_t>(scene)];
                const double end = std::min(straight[i].beat, start + into.beats());
                if (into.moves.size() >= kMostMoves) continue;
                into.moves.push_back({knob.first,
                                      knob.second,
                                      info->scale.toValue(straight[i - 1].travel),
                                      info->scale.toValue(straight[i].travel),
                                      straight[i - 1].beat - start,
                                      end - straight[i - 1].beat,
                                      hand_,
                                      {}});
                ++made;
            }
            first = last + 1;
        }
    }
    turned_.clear();
    if (made > 0) session_.document.apply({SetScenes{std::move(scenes)}}, tr("record moves"));
    QString text = tr("%n move(s) recorded.", nullptr, made);
    if (beyond > 0) text += QLatin1Char(' ') + tr("What was turned behind the last scene is not among them.");
    Q_EMIT changed();
    Q_EMIT done(text);
}

} // namespace lariat
