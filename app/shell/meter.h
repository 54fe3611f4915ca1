// A level meter: a bar in dB, the newest peak, and figures in volts and dBFS.
#pragma once

#include <QElapsedTimer>
#include <QString>
#include <QWidget>

namespace lariat {

class Meter : public QWidget {
    Q_OBJECT

  public:
    explicit Meter(QString name, QWidget* parent = nullptr);
    /// Takes the largest voltage since the last call; the bar falls by 20 dB a second.
    void show(float peakVolts);
    [[nodiscard]] double volts() const { return volts_; }
    [[nodiscard]] QSize sizeHint() const override { return {352, 20}; }

  protected:
    void paintEvent(QPaintEvent* event) override;

  private:
    QString name_;
    double volts_ = 0.0;
    double held_ = 0.0; ///< largest of the last second and a half, for the figures
    QElapsedTimer sinceHeld_;
    QElapsedTimer sinceShown_;
};

} // namespace lariat
