#include "patch/side_panel.h"

#include "look/fonts.h"
#include "shell/theme.h"

#include <QEvent>
#include <QTabBar>

#include <algorithm>

namespace lariat {
namespace {

constexpr int kWidth = 276;

} // namespace

SidePanel::SidePanel(const Session& session, Chart& chart, QWidget* parent) : QTabWidget(parent), session_(session) {
    setFixedWidth(kWidth);
    setDocumentMode(true);
    setAccessibleName(tr("Panel"));
    tabBar()->setAccessibleName(tr("What the panel shows"));
    tabBar()->setExpanding(true);
    tabBar()->setFont(textFont(13));
    inspector_ = new Inspector(session, chart);
    findings_ = new FindingsPage(session, chart);
    settings_ = new SettingsPage(session);
    addTab(inspector_, tr("Chosen"));
    addTab(findings_, tr("Findings"));
    addTab(settings_, tr("A | B"));
    connect(inspector_, &Inspector::message, this, &SidePanel::message);
    connect(inspector_, &Inspector::allFindingsWanted, this, [this] { setCurrentWidget(findings_); });
    connect(settings_, &SettingsPage::message, this, &SidePanel::message);
    connect(inspector_, &Inspector::fixRequested, this, &SidePanel::fixRequested);
    connect(findings_, &FindingsPage::fixRequested, this, &SidePanel::fixRequested);
    connect(inspector_, &Inspector::dismissRequested, this, &SidePanel::dismissRequested);
    connect(inspector_, &Inspector::whyAsked, this, [this](const Finding& finding) {
        findings_->showWalk(finding);
        setCurrentWidget(findings_);
    });
    connect(findings_, &FindingsPage::walkRequested, this, &SidePanel::walkRequested);
    connect(findings_, &FindingsPage::dismissRequested, this, &SidePanel::dismissRequested);
    connect(&session.checker, &Checker::findingsChanged, this, &SidePanel::countFindings);
    dress();
    countFindings();
}

/// Quiet tabs: the one that is open has a line below it.
void SidePanel::dress() {
    const Look& l = look();
    tabBar()->setStyleSheet(
        QStringLiteral("QTabBar::tab { padding: 8px 6px; border: none; border-bottom: 3px solid %1; "
                       "background: %2; color: %3; }"
                       "QTabBar::tab:selected { border-bottom-color: %4; color: %5; }"
                       "QTabBar::tab:focus { color: %4; }")
            .arg(l.line.name(), l.panel.name(), l.softInk.name(), l.accent.name(), l.ink.name()));
}

void SidePanel::changeEvent(QEvent* event) {
    QTabWidget::changeEvent(event);
    if (event->type() == QEvent::PaletteChange) dress();
}

void SidePanel::countFindings() {
    const auto open = std::ranges::count_if(session_.checker.findings(), isProblem);
    setTabText(1, open == 0 ? tr("Findings") : tr("Findings (%1)").arg(open));
}

} // namespace lariat
