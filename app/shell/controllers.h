// Controllers: turns the knobs that a patch has put under MIDI controllers.
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

  private:
    void turn(int number, int value);

    Document& document_;
    QTimer rest_; ///< a movement that rests ends its step of the history
};

} // namespace lariat
