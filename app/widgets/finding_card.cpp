#include "widgets/finding_card.h"

#include "look/fonts.h"
#include "look/text.h"
#include "shell/theme.h"

#include <QMouseEvent>

namespace lariat {

FindingCard::FindingCard(const QString& where, const Finding& finding, QWidget* parent) : QFrame(parent) {
    const Look& l = look();
    const bool note = !isProblem(finding);
    setObjectName(QStringLiteral("finding-") + q(finding.rule));
    setStyleSheet(QStringLiteral("lariat--FindingCard { background: %1; border-left: 4px solid %2; }")
                      .arg((note ? l.card : l.alarmGround).name(), (note ? l.line : l.alarm).name()));
    layout_ = new QVBoxLayout(this);
    layout_->setContentsMargins(12, 8, 10, 10);
    layout_->setSpacing(4);
    const QString figure = said(finding.figure);
    if (finding.severity == Severity::Next) { // nothing is wrong yet that would need a figure
        addText(said(finding.reason), true);
    } else {
        addText(where.isEmpty() ? figure : where + QStringLiteral(": ") + figure, true);
        addText(said(finding.reason), false);
    }
    for (std::size_t i = 0; i < finding.fixes.size(); ++i)
        addLink(
            QStringLiteral("→ ") + said(finding.fixes[i].label), tr("Ctrl+Z takes it back"),
            [this, i] { Q_EMIT fixChosen(i); }, static_cast<int>(i));
    // Where turning a knob mends it, how far is for the ear, or for a measure.
    for (const Fix& fix : finding.fixes) {
        const auto turn =
            std::ranges::find_if(fix.edits, [](const Edit& edit) { return std::holds_alternative<SetKnob>(edit); });
        if (turn == fix.edits.end()) continue;
        addLink(
            tr("Find the setting for…"), tr("The place at which something measured is as you wish"),
            [this, knob = std::get<SetKnob>(*turn)] { Q_EMIT findWanted(knob.post, knob.knob); }, -1);
        break;
    }
    if (!note)
        addLink(
            tr("Keep it as it is…"), tr("It is not shown any more; the patch remembers why"),
            [this] { Q_EMIT dismissed(); }, -1);
}

FindingCard::FindingCard(const QString& where, const Dismissed& kept, QWidget* parent) : QFrame(parent) {
    const Look& l = look();
    setObjectName(QStringLiteral("kept-") + q(kept.finding.rule));
    setStyleSheet(QStringLiteral("lariat--FindingCard { background: %1; border-left: 4px solid %2; }")
                      .arg(l.card.name(), l.line.name()));
    layout_ = new QVBoxLayout(this);
    layout_->setContentsMargins(12, 8, 10, 10);
    layout_->setSpacing(4);
    addText(where + QStringLiteral(": ") + said(kept.finding.figure), true);
    addText(tr("Kept: %1").arg(q(kept.because)), false);
    addLink(
        tr("Let it speak again"), {}, [this] { Q_EMIT restored(); }, -1);
}

void FindingCard::addText(const QString& text, bool strong) {
    auto* made = new QLabel(text, this);
    made->setWordWrap(true);
    made->setTextFormat(Qt::PlainText);
    made->setFont(textFont(13, strong));
    layout_->addWidget(made);
}

QLabel* FindingCard::addLink(const QString& text, const QString& tip, const std::function<void()>& chosen, int fix) {
    auto* link =
        new QLabel(QStringLiteral("<a href=\"fix\" style=\"color:%1; text-decoration:none; font-weight:600\">%2</a>")
                       .arg(look().accent.name(), text.toHtmlEscaped()),
                   this);
    link->setObjectName(QStringLiteral("link-%1").arg(layout_->count()));
    link->setWordWrap(true);
    link->setTextInteractionFlags(Qt::LinksAccessibleByMouse | Qt::LinksAccessibleByKeyboard);
    link->setAccessibleName(text);
    link->setToolTip(tip);
    connect(link, &QLabel::linkActivated, this, [chosen] { chosen(); });
    if (fix >= 0)
        connect(link, &QLabel::linkHovered, this,
                [this, fix](const QString& target) { Q_EMIT fixLookedAt(target.isEmpty() ? -1 : fix); });
    layout_->addWidget(link);
    return link;
}

void FindingCard::addWalk(const Finding& finding, const Patch& patch, const Library& library, bool open) {
    if (finding.walk.empty()) return;
    addLink(
        tr("Why?"), tr("The way from what is heard to the place, with what is measured at each link"),
        [this] { Q_EMIT whyAsked(); }, -1)
        ->setObjectName(QStringLiteral("why"));
    if (!open) return;
    for (std::size_t i = 0; i < finding.walk.size(); ++i) {
        const Link& link = finding.walk[i];
        auto* line = addLink(
            QStringLiteral("%1 · %2").arg(q(linkName(link, patch, library)), said(link.reading)),
            tr("Show it on the chart"), [this, i] { Q_EMIT linkChosen(i); }, -1);
        line->setObjectName(QStringLiteral("walk-%1").arg(i));
        line->setContentsMargins(10, 0, 0, 0);
        line->setText(line->text().replace(QLatin1String("font-weight:600"), QLatin1String("font-weight:400")));
    }
}

void FindingCard::mousePressEvent(QMouseEvent* event) {
    if (event->button() == Qt::LeftButton) Q_EMIT chosen();
}

} // namespace lariat
