#include "patch/side_panel.h"

#include "look/fonts.h"

#include <QTabBar>

#include <algorithm>

namespace lariat {
namespace {

constexpr int kWidth = 276;

} // namespace

SidePanel::SidePanel(const Session& session, Chart& chart, QWidget* parent) : QTabWidget(parent), session_(session) {
    setFixedWidth(kWidth);
    setDocumentMode(true);
    tabBar()->setExpanding(true);
    tabBar()->setFont(textFont(13));
    inspector_ = new Inspector(session, chart);
    findings_ = new FindingsPage(session, chart);
    settings_ = new SettingsPage(session);
    addTab(inspector_, tr("Chosen"));
    addTab(findings_, tr("Findings"));
    addTab(settings_, tr("A | B"));
    connect(inspector_, &Inspector::message, this, &SidePanel::message);
    connect(settings_, &SettingsPage::message, this, &SidePanel::message);
    connect(inspector_, &Inspector::fixRequested, this, &SidePanel::fixRequested);
    connect(findings_, &FindingsPage::fixRequested, this, &SidePanel::fixRequested);
    connect(inspector_, &Inspector::dismissRequested, this, &SidePanel::dismissRequested);
    connect(findings_, &FindingsPage::dismissRequested, this, &SidePanel::dismissRequested);
    connect(&session.checker, &Checker::findingsChanged, this, &SidePanel::countFindings);
    countFindings();
}

void SidePanel::countFindings() {
    const auto open = std::ranges::count_if(session_.checker.findings(),
                                            [](const Finding& f) { return f.severity != Severity::Note; });
    setTabText(1, open == 0 ? tr("Findings") : tr("Findings (%1)").arg(open));
}

} // namespace lariat
