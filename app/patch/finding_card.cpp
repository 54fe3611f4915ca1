#include "patch/finding_card.h"

#include "look/fonts.h"
#include "shell/theme.h"

#include <QLabel>
#include <QVBoxLayout>

namespace lariat {

FindingCard::FindingCard(const QString& where, const Finding& finding, QWidget* parent) : QFrame(parent) {
    const Look& l = look();
    setObjectName(QStringLiteral("finding-") + QString::fromStdString(finding.rule));
    setStyleSheet(QStringLiteral("lariat--FindingCard { background: %1; border-left: 4px solid %2; }")
                      .arg(l.alarmGround.name(), l.alarm.name()));
    auto* layout = new QVBoxLayout(this);
    layout->setContentsMargins(12, 8, 10, 10);
    layout->setSpacing(4);
    const auto label = [&](const QString& text, bool strong) {
        auto* made = new QLabel(text, this);
        made->setWordWrap(true);
        made->setTextFormat(Qt::PlainText);
        made->setFont(textFont(13, strong));
        layout->addWidget(made);
    };
    const QString figure = QString::fromStdString(finding.figure);
    label(where.isEmpty() ? figure : where + QStringLiteral(": ") + figure, true);
    label(QString::fromStdString(finding.reason), false);
    for (std::size_t i = 0; i < finding.fixes.size(); ++i) {
        const QString text = QString::fromStdString(finding.fixes[i].label).toHtmlEscaped();
        auto* link = new QLabel(
            QStringLiteral("<a href=\"fix\" style=\"color:%1; text-decoration:none; font-weight:600\">→ %2</a>")
                .arg(l.accent.name(), text),
            this);
        link->setWordWrap(true);
        link->setTextInteractionFlags(Qt::LinksAccessibleByMouse | Qt::LinksAccessibleByKeyboard);
        link->setAccessibleName(QString::fromStdString(finding.fixes[i].label));
        connect(link, &QLabel::linkActivated, this, [this, i] { Q_EMIT fixChosen(i); });
        layout->addWidget(link);
    }
}

} // namespace lariat
