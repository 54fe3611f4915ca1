// Two states, A and B: put one aside, see what is different, go back to it, or stand anywhere between the knobs of the
// two. The file keeps their knobs; cables and steps are kept as long as the patch is open.
#pragma once

#include "shell/session.h"

#include <QLabel>
#include <QPushButton>
#include <QSlider>
#include <QWidget>

#include <array>
#include <map>

namespace lariat {

class SettingsPage : public QWidget {
    Q_OBJECT

  public:
    explicit SettingsPage(const Session& session, QWidget* parent = nullptr);

    void keep(const std::string& name);
    /// Brings the knobs back, or everything.
    void recall(const std::string& name);
    void recallAll(const std::string& name);
    /// What is different in a file is listed instead of A and B.
    void compareWith(const QString& file);
    /// 0 is A, 100 is B.
    [[nodiscard]] QSlider& slider() { return *slider_; }

  Q_SIGNALS:
    void message(const QString& text, bool refusal);

  protected:
    void showEvent(QShowEvent* event) override;

  private:
    void refresh();
    void stand(int percent);
    void list(const QString& head, const Patch& before, const Patch& after);
    [[nodiscard]] const Setting* setting(const std::string& name) const;

    Session session_;
    std::array<QPushButton*, 2> recall_{};
    std::array<QPushButton*, 2> recallAll_{};
    std::map<std::string, Patch> kept_; ///< whole, by name
    QString otherFile_;                 ///< that is compared with; empty: A with B
    Patch other_;
    QSlider* slider_;
    QLabel* place_;
    QLabel* differences_;
};

} // namespace lariat
