#include "shell/listening.h"

#include <algorithm>

namespace lariat {

Listening::Listening(Document& document, QObject* parent) : QObject(parent), document_(document) {
    connect(&document_, &Document::replaced, this, [this] {
        if (changesAnything()) everythingAgain();
    });
    connect(&document_, &Document::changed, this, &Listening::forgetWhatIsGone);
}

void Listening::forgetWhatIsGone() {
    std::erase_if(rows_, [&](int cable) { return !document_.patch().cable(cable); });
    if (!document_.patch().cable(listened_)) listened_ = 0;
    const auto hasVoice = [&](const std::string& voice) {
        return std::ranges::count(document_.patch().cables, voice, &Cable::voice) > 0;
    };
    std::erase_if(voices_, [&](const std::string& voice) { return !hasVoice(voice); });
    if (!hasVoice(solo_)) solo_.clear();
}

void Listening::silenceRow(int cable, bool on) {
    on ? void(rows_.insert(cable)) : void(rows_.erase(cable));
    Q_EMIT changed();
}

void Listening::silenceVoice(const std::string& voice, bool on) {
    on ? void(voices_.insert(voice)) : void(voices_.erase(voice));
    Q_EMIT changed();
}

void Listening::soloVoice(const std::string& voice) {
    solo_ = voice;
    Q_EMIT changed();
}

void Listening::listenTo(int cable) {
    listened_ = cable;
    Q_EMIT changed();
}

void Listening::everythingAgain() {
    rows_.clear();
    voices_.clear();
    solo_.clear();
    listened_ = 0;
    Q_EMIT changed();
}

bool Listening::changesAnything() const {
    return !rows_.empty() || !voices_.empty() || !solo_.empty() || listened_ > 0;
}

/// True for sound that goes to a post from which this voice does not go on: a mixer, a bus, the way out.
bool Listening::leavesVoice(const Cable& cable) const {
    const JackInfo* jack = document_.library().jack(document_.patch(), cable.from);
    return jack && jack->kind == SignalKind::Audio &&
           std::ranges::none_of(document_.patch().cables, [&](const Cable& other) {
               return other.voice == cable.voice && other.from.post == cable.to.post;
           });
}

std::vector<int> Listening::silenced() const {
    std::vector<int> out(rows_.begin(), rows_.end());
    for (const Cable& cable : document_.patch().cables) {
        const bool silent = voices_.contains(cable.voice) || (!solo_.empty() && cable.voice != solo_);
        // What all voices share, such as the bus behind the mixer, is not a voice of its own when one is heard alone.
        const bool shared = cable.voice.empty() || document_.patch().post(cable.from.post)->voice.empty();
        if (silent && !(shared && !voices_.contains(cable.voice)) && leavesVoice(cable) && !rows_.contains(cable.id))
            out.push_back(cable.id);
    }
    return out;
}

JackRef Listening::listenedJack() const {
    const Cable* cable = document_.patch().cable(listened_);
    return cable ? cable->from : JackRef{};
}

} // namespace lariat
