#include "patch/findings_page.h"

#include "look/fonts.h"
#include "look/text.h"
#include "shell/theme.h"
#include "widgets/find_dialog.h"
#include "widgets/finding_card.h"

#include <QLabel>
#include <QScrollBar>

#include <set>

namespace lariat {
namespace {

bool isSame(const Finding& a, const Finding& b) {
    return a.rule == b.rule && a.post == b.post && a.cable == b.cable;
}

} // namespace

FindingsPage::FindingsPage(const Session& session, Chart& chart, QWidget* parent)
    : QWidget(parent), session_(session), chart_(chart) {
    auto* layout = new QVBoxLayout(this);
    layout->setContentsMargins(12, 10, 0, 0);
    voices_ = new QComboBox;
    voices_->setObjectName(QStringLiteral("voices"));
    voices_->setAccessibleName(tr("Findings of which voice"));
    area_ = new QScrollArea;
    area_->setFrameShape(QFrame::NoFrame);
    area_->setWidgetResizable(true);
    area_->setHorizontalScrollBarPolicy(Qt::ScrollBarAlwaysOff);
    area_->setAccessibleName(tr("Findings"));
    auto* line = new QHBoxLayout;
    line->setContentsMargins(0, 0, 12, 0);
    line->addWidget(voices_);
    layout->addLayout(line);
    layout->addWidget(area_, 1);
    connect(voices_, &QComboBox::activated, this, &FindingsPage::refresh);
    // Cards are many widgets: they are made anew when something else was found, not with every turn of a knob, and only
    // where somebody sees them.
    connect(&session_.checker, &Checker::findingsChanged, this,
            [this] { isVisible() || open_ ? refresh() : void(stale_ = true); });
    connect(&session_.document, &Document::replaced, this, [this] { open_.reset(); });
    refresh();
}

void FindingsPage::showEvent(QShowEvent* event) {
    QWidget::showEvent(event);
    if (stale_) refresh();
}

void FindingsPage::changeEvent(QEvent* event) {
    QWidget::changeEvent(event);
    if (event->type() == QEvent::PaletteChange && cards_) refresh(); // the cards have the colours of the look
}

QString FindingsPage::where(const Finding& finding) const {
    const Patch& patch = session_.document.patch();
    if (const int row = patch.row(finding.cable)) return tr("Cable %1").arg(row);
    const Post* post = patch.post(finding.post);
    return post ? q(post->name) : tr("The case");
}

bool FindingsPage::isOfVoice(const Finding& finding) const {
    if (voices_->currentIndex() <= 0) return true;
    const Patch& patch = session_.document.patch();
    const std::string voice = voices_->currentText().toStdString();
    const Cable* cable = patch.cable(finding.cable);
    const Post* post = patch.post(finding.post);
    return (cable && cable->voice == voice) || (post && post->voice == voice);
}

void FindingsPage::addHeading(const QString& text) {
    auto* label = new QLabel(text);
    label->setFont(textFont(14, true));
    label->setContentsMargins(0, 8, 0, 2);
    cards_->addWidget(label);
}

void FindingsPage::showWalk(const std::optional<Finding>& finding) {
    if (!finding && !open_) return;
    open_ = finding;
    refresh();
    Q_EMIT walkRequested(finding.value_or(Finding{}));
}

void FindingsPage::refresh() {
    stale_ = false;
    // The way goes with what it led to.
    const auto& findings = session_.checker.findings();
    if (open_ && std::ranges::none_of(findings, [this](const Finding& one) { return isSame(*open_, one); })) {
        open_.reset();
        Q_EMIT walkRequested({});
    }
    const QString voice = voices_->currentText();
    std::set<std::string> names;
    for (const Cable& cable : session_.document.patch().cables)
        if (!cable.voice.empty()) names.insert(cable.voice);
    voices_->clear();
    voices_->addItem(tr("All voices"));
    for (const std::string& name : names) voices_->addItem(q(name));
    voices_->setCurrentIndex(std::max(0, voices_->findText(voice)));

    auto* page = new QWidget;
    page->setAutoFillBackground(true);
    cards_ = new QVBoxLayout(page);
    cards_->setContentsMargins(0, 4, 12, 16);
    cards_->setSpacing(8);
    count_ = 0;
    const auto add = [&](auto* card, const Finding& finding) {
        const bool open = open_ && isSame(*open_, finding);
        card->addWalk(finding, session_.document.patch(), session_.document.library(), open);
        connect(card, &FindingCard::whyAsked, this,
                [this, finding, open] { showWalk(open ? std::nullopt : std::optional(finding)); });
        connect(card, &FindingCard::linkChosen, this, [this, finding](std::size_t link) {
            const Link& chosen = finding.walk[link];
            chosen.cable ? session_.navigator.showCable(chosen.cable) : session_.navigator.showPost(chosen.jack.post);
        });
        // A click on the card shows where it sits.
        card->setToolTip(tr("Click to choose it on the chart"));
        connect(card, &FindingCard::fixChosen, this,
                [this, finding](std::size_t fix) { Q_EMIT fixRequested(finding, fix); });
        connect(card, &FindingCard::findWanted, this, [this](const std::string& post, const std::string& knob) {
            findSetting(session_, post, knob, window());
        });
        connect(card, &FindingCard::chosen, this, [this, finding] {
            finding.cable ? session_.navigator.showCable(finding.cable) : session_.navigator.showPost(finding.post);
        });
        connect(card, &FindingCard::fixLookedAt, this, [this, finding](int fix) {
            chart_.reveal(finding.cable, finding.post);
            chart_.setPreview(fix < 0 ? std::vector<Edit>{} : finding.fixes[static_cast<std::size_t>(fix)].edits);
        });
        connect(card, &FindingCard::dismissed, this, [this, finding] { Q_EMIT dismissRequested(finding); });
        connect(card, &FindingCard::restored, this, [this, finding] {
            session_.document.apply({RestoreFinding{finding.rule, finding.cable, finding.post}},
                                    tr("let a finding speak again"));
        });
        cards_->addWidget(card);
        ++count_;
    };
    const auto list = [&](Severity severity, const QString& heading) {
        bool any = false;
        for (const Finding& finding : session_.checker.findings()) {
            if (finding.severity != severity || !isOfVoice(finding)) continue;
            if (!any) addHeading(heading);
            any = true;
            add(new FindingCard(where(finding), finding), finding);
        }
    };
    list(Severity::Mistake, tr("Mistakes"));
    list(Severity::Caution, tr("May be wanted"));
    if (count_ == 0) {
        auto* label = new QLabel(session_.checker.knows() ? tr("Nothing is found wrong here.") : tr("Looking…"));
        label->setFont(textFont(13));
        cards_->addWidget(label);
    }
    bool any = false;
    for (const Dismissed& kept : session_.checker.dismissed()) {
        if (!isOfVoice(kept.finding)) continue;
        if (!any) addHeading(tr("Kept as it is"));
        any = true;
        add(new FindingCard(where(kept.finding), kept), kept.finding);
    }
    list(Severity::Next, tr("Next steps"));
    list(Severity::Note, tr("To know"));
    if (const int untried = session_.checker.untried()) {
        auto* label = new QLabel(tr("%n cure(s) could not be tried in time, and are not offered.", nullptr, untried));
        label->setWordWrap(true);
        label->setFont(textFont(13));
        cards_->addWidget(label);
    }
    cards_->addStretch();
    // The eye and the keyboard stay where they were.
    const int scrolled = area_->verticalScrollBar()->value();
    const QWidget* focus = focusWidget();
    const QString focused = focus && isAncestorOf(focus) ? focus->objectName() : QString();
    const QString card = focus && focus->parentWidget() ? focus->parentWidget()->objectName() : QString();
    if (QWidget* old = area_->takeWidget()) old->deleteLater();
    area_->setWidget(page);
    page->show();
    cards_->activate();
    area_->verticalScrollBar()->setValue(scrolled);
    if (focused.isEmpty()) return;
    if (auto* again = page->findChild<QWidget*>(card))
        if (auto* link = again->findChild<QWidget*>(focused)) link->setFocus();
}

} // namespace lariat
