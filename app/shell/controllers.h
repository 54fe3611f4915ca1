// Controllers: turns the knobs and switches that a patch has put under MIDI controllers, and learns new ones.
#pragma once

#include "shell/document.h"
#include "shell/sound.h"

#include <QObject>
#include <QTimer>

namespace lariat {

class Controllers : public QObject {
    Q_OBJECT

  public:
    Controllers(Document& document, Sound& sound, QObject* parent = nullptr);

    /// The next controller that moves will turn this knob or switch …
    void learn(const std::string& post, const std::string& knob);
    /// … unless the user thinks better of it.
    void stopLearning() { learning_ = {}; }
    [[nodiscard]] bool learning() const { return !learning_.first.empty(); }

  Q_SIGNALS:
    void learned(int number);

  private:
    void take(int number, int value);
    void turn(int number, int value);

    Document& document_;
    Sound& sound_;
    QTimer rest_;                                  ///< a movement that rests ends its step of the history
    std::pair<std::string, std::string> learning_; ///< post and knob that wait for a controller
};

} // namespace lariat
