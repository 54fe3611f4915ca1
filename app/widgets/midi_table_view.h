// The table of a MIDI converter: what each port gives in the mode that it stands in; any of them can be changed, which
// makes the table the post's own.
#pragma once

#include "library/midi_table.h"
#include "shell/session.h"

#include <QComboBox>
#include <QLabel>
#include <QSpinBox>
#include <QTableWidget>
#include <QWidget>

namespace lariat {

class MidiTableView : public QWidget {
    Q_OBJECT

  public:
    MidiTableView(const Session& session, std::string post, QWidget* parent = nullptr);

    void refresh();

  private:
    void showPort();
    void change();

    Session session_;
    std::string post_;
    QTableWidget* table_;
    QLabel* name_;
    QComboBox* gives_;
    QComboBox* channel_;
    QSpinBox* number_;
    bool showing_ = false;
};

} // namespace lariat
