// The bar at the bottom: start and stop, position, tempo, meters, monitor level, load.
#pragma once

#include "shell/meter.h"
#include "shell/session.h"

#include <QAbstractButton>
#include <QFrame>
#include <QLabel>
#include <QPushButton>
#include <QSlider>
#include <QTimer>

namespace lariat {

class TransportBar : public QFrame {
    Q_OBJECT

  public:
    explicit TransportBar(const Session& session, QWidget* parent = nullptr);

    [[nodiscard]] const Meter& left() const { return *left_; }
    [[nodiscard]] QString position() const { return position_->text(); }
    [[nodiscard]] QSlider* monitor() const { return monitor_; }

  protected:
    void paintEvent(QPaintEvent* event) override;

  private:
    void refresh();
    void tellGuard(Guard guard);
    void showMonitor();
    void showJobs();
    void askJobs();
    [[nodiscard]] QString tempo() const;

    Session session_;
    QAbstractButton* run_;
    QLabel* position_;
    QLabel* tempo_;
    Meter* left_;
    Meter* right_;
    QSlider* monitor_;
    QLabel* monitorText_;
    QLabel* load_;
    QPushButton* take_; ///< how long is being recorded; ends it
    QPushButton* jobs_; ///< what is worked out in the background, while it takes long
    QTimer timer_;
    int sinceLimited_ = 1000; ///< refreshes
};

} // namespace lariat
