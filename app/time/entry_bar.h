// At the head of the Time place: step entry and live recording, with what belongs to them.
#pragma once

#include "time/recorder.h"
#include "time/step_entry.h"

#include <QCheckBox>
#include <QComboBox>
#include <QPushButton>
#include <QSpinBox>
#include <QWidget>

namespace lariat {

class EntryBar : public QWidget {
    Q_OBJECT

  public:
    EntryBar(StepEntry& entry, Recorder& recorder, QWidget* parent = nullptr);

  private:
    void refresh();
    void settings();

    StepEntry& entry_;
    Recorder& recorder_;
    QPushButton* enter_;
    QPushButton* record_;
    QComboBox* how_;
    QSpinBox* quantize_;
    QSpinBox* countIn_;
    QCheckBox* click_;
    QTimer beats_;
};

} // namespace lariat
