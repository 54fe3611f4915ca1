#include "plan/role_row.h"

#include "look/fonts.h"
#include "shell/theme.h"

#include <QHBoxLayout>
#include <QLabel>
#include <QPainter>

namespace lariat {
namespace {

constexpr int kJoin = 44; ///< width of the line between a role and its part

} // namespace

RoleRow::RoleRow(const QString& role, const QString& where, const QString& why, bool standsIn, QWidget* parent)
    : QFrame(parent), standsIn_(standsIn) {
    auto* across = new QHBoxLayout(this);
    across->setContentsMargins(10, 5, 10, 5);
    across->setSpacing(8);
    const auto label = [&](const QString& text, bool strong, const QColor& colour) {
        auto* made = new QLabel(text);
        made->setFont(textFont(13, strong));
        made->setWordWrap(true);
        made->setTextFormat(Qt::PlainText);
        made->setStyleSheet(QStringLiteral("color: %1").arg(colour.name()));
        return made;
    };
    auto* what = label(role, true, look().ink);
    across->addWidget(what, 5);
    across->addSpacing(kJoin);
    across->addWidget(label(where, false, look().ink), 6);
    across->addWidget(label(why, false, standsIn ? look().alarm : look().softInk), 6);
    setAccessibleName(role + QStringLiteral(": ") + where + QStringLiteral(", ") + why);
}

void RoleRow::paintEvent(QPaintEvent*) {
    QPainter painter(this);
    painter.setRenderHint(QPainter::Antialiasing);
    const Look& l = look();
    painter.fillRect(rect(), standsIn_ ? l.alarmGround : l.card);
    const QLayout* layout = this->layout();
    const double x = layout->itemAt(0)->geometry().right() + 8.0;
    const double y = height() / 2.0;
    const QColor colour = standsIn_ ? l.alarm : l.accent;
    painter.setPen(QPen(colour, 1.6, standsIn_ ? Qt::DashLine : Qt::SolidLine));
    painter.drawLine(QPointF(x, y), QPointF(x + kJoin - 6, y));
    painter.setBrush(colour);
    painter.setPen(Qt::NoPen);
    painter.drawRect(QRectF(x + kJoin - 8, y - 3, 6, 6));
}

} // namespace lariat
