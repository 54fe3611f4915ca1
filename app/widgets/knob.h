// A knob of the inspector: dial, name, value and clock-hand position.
#pragma once

#include "units/scale.h"

#include <QLineEdit>
#include <QString>
#include <QTimer>
#include <QWidget>

#include <optional>
#include <utility>

namespace lariat {

class Knob : public QWidget {
    Q_OBJECT

  public:
    Knob(QString name, Scale scale, double initial, QWidget* parent = nullptr);

    [[nodiscard]] double value() const { return value_; }
    [[nodiscard]] const Scale& scale() const { return scale_; }
    /// As if a hand had turned it there.
    void turnToValue(double value);
    /// A hand is on it.
    [[nodiscard]] bool turning() const { return dragging_ || (field_ && field_->isVisible()); }
    /// Shows a value without telling anyone.
    void showValue(double value);
    /// Beats per minute, so that note values can be typed; 0: there are none.
    void setTempo(double tempo) { tempo_ = tempo; }
    /// Where modulation takes it, from … to; nothing: nowhere.
    void showReach(std::optional<std::pair<double, double>> reach);
    /// A value that its menu offers by these words; nothing: none.
    void offer(std::optional<std::pair<QString, double>> choice) { choice_ = std::move(choice); }
    [[nodiscard]] const std::optional<std::pair<QString, double>>& offered() const { return choice_; }
    /// A locked knob does not turn; a note and a controller (-1: none) are marked.
    void showMarks(bool locked, const QString& note, int controller);
    [[nodiscard]] bool locked() const { return locked_; }
    /// Nobody knows where it stands, or only between which values; its value is a guess then. Nothing: it is known.
    void showUnknown(std::optional<std::pair<double, double>> between);
    [[nodiscard]] bool unknown() const { return unknown_.has_value(); }
    /// "310 Hz…1.2 kHz", or nothing.
    [[nodiscard]] QString reachText() const;
    /// Opens the field in which a value or position is typed.
    void typeValue();

    [[nodiscard]] QSize sizeHint() const override { return {83, 106}; }
    [[nodiscard]] QSize minimumSizeHint() const override { return sizeHint(); }

  Q_SIGNALS:
    void turned(double value);
    void released();
    void refused(const QString& reason);
    void lockWanted(bool locked);
    void noteWanted();
    void calibrateWanted();
    /// Nobody knows where it stands; or, asked for, between which places it does; or it does stand where it is tried.
    void unknownWanted(bool unknown);
    void betweenWanted();
    void findWanted(); ///< the place at which something measured is as wished
    void learnWanted();
    void forgetWanted();

  protected:
    void paintEvent(QPaintEvent* event) override;
    void mousePressEvent(QMouseEvent* event) override;
    void mouseMoveEvent(QMouseEvent* event) override;
    void mouseReleaseEvent(QMouseEvent* event) override;
    void mouseDoubleClickEvent(QMouseEvent* event) override;
    void wheelEvent(QWheelEvent* event) override;
    void keyPressEvent(QKeyEvent* event) override;
    void contextMenuEvent(QContextMenuEvent* event) override;
    void dragEnterEvent(QDragEnterEvent* event) override;
    void dropEvent(QDropEvent* event) override;

  private:
    void turnTo(double fraction);
    /// False if the text is no setting of it.
    bool take(const QString& text);

    QString name_;
    Scale scale_;
    double initial_;
    double value_;
    double fraction_ = 0.0; ///< follows the hand, finer than what the value shows
    std::optional<std::pair<double, double>> reach_;
    std::optional<std::pair<double, double>> unknown_; ///< between which values
    std::optional<std::pair<QString, double>> choice_;
    bool locked_ = false;
    double tempo_ = 0.0;
    QString note_;
    int controller_ = -1;
    QPoint lastAt_;
    bool dragging_ = false;
    QTimer rest_;
    QLineEdit* field_ = nullptr;
};

} // namespace lariat
