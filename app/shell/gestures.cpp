#include "shell/gestures.h"

#include "look/text.h"

#include <algorithm>
#include <chrono>

namespace lariat {

Gestures::Gestures(Document& document, Sound& sound, QObject* parent)
    : QObject(parent), document_(document), sound_(sound) {
    connect(&sound_, &Sound::played, this, &Gestures::take);
    connect(&document_, &Document::replaced, this, [this] { // what was played is of a patch that is gone
        taken_.clear();
        if (!std::exchange(post_, {}).empty()) Q_EMIT changed();
    });
}

void Gestures::start(const std::string& post) {
    stop();
    post_ = post;
    taken_.clear();
    Q_EMIT changed();
    Q_EMIT message(tr("Play now: the gesture begins with what you do first, and ends when you stop it."), false);
}

void Gestures::take(const MidiMessage& message, Engine::Time when) {
    if (post_.empty() || message.kind() >= 0xF0 || taken_.size() >= kMaxMessages) return;
    const Post* post = document_.patch().post(post_);
    const PartInfo* part = post ? document_.library().part(*post) : nullptr;
    if (!part) return;
    if (part->has("pad") && !movesPad(message)) return;
    if (taken_.empty()) begun_ = when;
    taken_.push_back({std::max(0.0, std::chrono::duration<double>(when - begun_).count()), message});
}

void Gestures::stop() {
    const std::string id = std::exchange(post_, {});
    const auto taken = std::exchange(taken_, {});
    if (id.empty()) return;
    Q_EMIT changed();
    const Post* post = document_.patch().post(id);
    if (!post || taken.empty()) {
        Q_EMIT message(tr("Nothing was played; the patch is as it was."), false);
        return;
    }
    GestureTake how;
    how.post = id;
    how.pad = document_.library().part(*post)->has("pad");
    how.seconds = std::chrono::duration<double>(std::chrono::steady_clock::now() - begun_).count();
    if (const double tempo = tempoOf(document_.patch(), document_.library()); tempo > 0.0) {
        how.tempo = tempo;
        how.toBeats = true; // it stays in step with what the clock drives
    }
    Performance made = gestureOf(how, taken);
    const QString beats = QString::number(made.lengthBeats, 'g', 3);
    const QString name = q(post->name);
    if (document_.apply({SetPerformance{std::move(made)}}, tr("record what %1 plays").arg(name)))
        Q_EMIT message(tr("%1 plays it again every %2 beats; Ctrl+Z takes it back.").arg(name, beats), false);
}

} // namespace lariat
