// The panel at the right of the chart: what is chosen, all findings, and the two settings A and B.
#pragma once

#include "patch/findings_page.h"
#include "patch/inspector.h"
#include "patch/settings_page.h"

#include <QTabWidget>

namespace lariat {

class SidePanel : public QTabWidget {
    Q_OBJECT

  public:
    SidePanel(const Session& session, Chart& chart, QWidget* parent = nullptr);

    [[nodiscard]] Inspector& inspector() { return *inspector_; }
    [[nodiscard]] FindingsPage& findings() { return *findings_; }
    [[nodiscard]] SettingsPage& settings() { return *settings_; }

  Q_SIGNALS:
    void message(const QString& text, bool refusal);
    void fixRequested(const Finding& finding, std::size_t fix);
    void dismissRequested(const Finding& finding);
    void walkRequested(const Finding& finding);

  protected:
    void changeEvent(QEvent* event) override;

  private:
    void dress();
    void countFindings();

    Session session_;
    Inspector* inspector_;
    FindingsPage* findings_;
    SettingsPage* settings_;
};

} // namespace lariat
