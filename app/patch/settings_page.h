// Two settings of all knobs, A and B: put one aside, go back to it, and stand anywhere between the two.
#pragma once

#include "shell/session.h"

#include <QLabel>
#include <QPushButton>
#include <QSlider>
#include <QWidget>

#include <array>

namespace lariat {

class SettingsPage : public QWidget {
    Q_OBJECT

  public:
    explicit SettingsPage(const Session& session, QWidget* parent = nullptr);

    void keep(const std::string& name);
    void recall(const std::string& name);
    /// 0 is A, 100 is B.
    [[nodiscard]] QSlider& slider() { return *slider_; }

  Q_SIGNALS:
    void message(const QString& text, bool refusal);

  protected:
    void showEvent(QShowEvent* event) override;

  private:
    void refresh();
    void stand(int percent);
    [[nodiscard]] const Setting* setting(const std::string& name) const;

    Session session_;
    std::array<QPushButton*, 2> recall_{};
    QSlider* slider_;
    QLabel* place_;
    QLabel* differences_;
};

} // namespace lariat
