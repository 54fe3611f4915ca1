// Step entry: note, rest, tie, accent and slide go to the cursor, and the cursor goes on. From the keys of the computer
// (our step notation), and, while it is on, from keys on the screen and from MIDI.
#pragma once

#include "time/line_editor.h"

#include <QObject>

namespace lariat {

class StepEntry : public QObject {
    Q_OBJECT

  public:
    StepEntry(const Session& session, LineEditor& editor, QObject* parent = nullptr);

    /// Notes that are played are entered.
    void setOn(bool on);
    [[nodiscard]] bool on() const { return on_; }
    [[nodiscard]] int octave() const { return octave_; }
    void setOctave(int octave);

    /// A word of the step notation: a letter a…g, x, - or ., =, !, ~.
    void type(const QString& word);
    void enterNote(int note, int velocity = 100);
    void enterRest();
    void enterTie();
    /// Marks the note before the cursor: the one that was entered last.
    void markAccent();
    void markSlide();

  Q_SIGNALS:
    void changed();

  private:
    /// Writes a step at the cursor and goes on; a whole run of them is one step of the history.
    void enter(const Step& step, Hit hit);
    [[nodiscard]] int lastStep() const;

    Session session_;
    LineEditor& editor_;
    bool on_ = false;
    int octave_ = 3;
};

} // namespace lariat
