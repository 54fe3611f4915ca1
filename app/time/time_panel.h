// The panel at the right of the Time chart: the line that is chosen, its steps, what it causes, and what another tempo
// would change.
#pragma once

#include "time/forecast_view.h"
#include "time/line_editor.h"
#include "time/responder.h"

#include <QCheckBox>
#include <QComboBox>
#include <QDoubleSpinBox>
#include <QGridLayout>
#include <QLabel>
#include <QLineEdit>
#include <QScrollArea>
#include <QSpinBox>
#include <QVBoxLayout>

namespace lariat {

class TimePanel : public QScrollArea {
    Q_OBJECT

  public:
    TimePanel(const Session& session, LineEditor& editor, Responder& responder, QWidget* parent = nullptr);

    [[nodiscard]] ForecastView& forecast() { return *forecast_; }

  Q_SIGNALS:
    void message(const QString& text, bool refusal);

  protected:
    void changeEvent(QEvent* event) override;

  private:
    void buildLine();
    void buildSteps();
    void buildResponse();
    void buildForecast();
    void refresh();
    void refreshSteps();
    void refreshResponse();
    void refreshForecast();
    void dress();
    QLabel* heading(const QString& text);
    /// A field under its label, in a grid of three columns.
    template <class Widget>
    Widget* cell(QGridLayout* grid, int row, int column, const QString& label, Widget* widget, const char* name,
                 int span = 1);
    void fit(Fit how);

    Session session_;
    LineEditor& editor_;
    Responder& responder_;
    QVBoxLayout* column_;
    QList<QLabel*> headings_;
    bool showing_ = false; ///< what is set now is what the patch says, not the user

    QLabel* nothing_;
    QWidget* linePart_;
    QLineEdit* name_;
    QSpinBox* length_;
    QSpinBox* division_;
    QCheckBox* triplets_;
    QComboBox* direction_;
    QSpinBox* swing_;
    QSpinBox* lock_;
    QWidget* fillPart_;
    QSpinBox* fillLength_;
    QSpinBox* fill_;
    QSpinBox* rotate_;

    QWidget* stepPart_;
    QLabel* stepHead_;
    QList<QWidget*> ofTracks_; ///< what only the steps of a track have
    QList<QWidget*> ofLines_;  ///< what a quantizer's slots have not: they go forward, a step a clock
    QList<QWidget*> ofNotes_;  ///< what their steps have not: they are notes, rests and ties
    QLineEdit* note_;
    QSpinBox* gate_;
    QSpinBox* velocity_;
    QSpinBox* chance_;
    QSpinBox* repeats_;
    QSpinBox* late_;
    QDoubleSpinBox* cv_;
    QCheckBox* accent_;
    QCheckBox* slide_;

    QWidget* responsePart_;
    QComboBox* contour_;
    QWidget* forecastPart_;
    QLabel* forecastText_;
    ForecastView* forecast_;
};

} // namespace lariat
