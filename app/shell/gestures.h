// Gestures: what hands play on keys, a converter or a pad, taken into the patch and looped. One take is one step of the
// history.
#pragma once

#include "shell/document.h"
#include "shell/sound.h"
#include "timing/gesture.h"

#include <QObject>

#include <vector>

namespace lariat {

class Gestures : public QObject {
    Q_OBJECT

  public:
    Gestures(Document& document, Sound& sound, QObject* parent = nullptr);

    /// The post that is recorded; empty: none is.
    [[nodiscard]] const std::string& post() const { return post_; }
    /// From now on what is played is taken for that post, which must be one that is played.
    void start(const std::string& post);
    /// Writes the take into the patch, from its first message to now; nothing if nothing was played.
    void stop();

  Q_SIGNALS:
    void changed();
    void message(const QString& text, bool refusal);

  private:
    void take(const MidiMessage& message, Engine::Time when);

    Document& document_;
    Sound& sound_;
    std::string post_;
    Engine::Time begun_{};
    std::vector<TimedMessage> taken_;
};

} // namespace lariat
