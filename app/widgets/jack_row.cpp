#include "widgets/jack_row.h"

#include "look/fonts.h"
#include "shell/theme.h"

#include <QPainter>

namespace lariat {

JackRow::JackRow(JackRef jack, SignalKind kind, const QString& name, QString state, bool used, QWidget* parent)
    : QAbstractButton(parent), jack_(std::move(jack)), kind_(kind), state_(std::move(state)), used_(used) {
    setText(name);
    setCheckable(true);
    setFocusPolicy(Qt::StrongFocus);
    setCursor(Qt::PointingHandCursor);
    setAccessibleName(name + QStringLiteral(", ") + state_);
    setToolTip(name + QStringLiteral(": ") + state_);
    setSizePolicy(QSizePolicy::Expanding, QSizePolicy::Fixed);
}

void JackRow::paintEvent(QPaintEvent*) {
    QPainter painter(this);
    const Look& l = look();
    if (isChecked() || underMouse()) painter.fillRect(rect(), isChecked() ? l.accent : l.card);
    if (hasFocus()) {
        painter.setPen(QPen(l.accent, 1));
        painter.drawRect(rect().adjusted(0, 0, -1, -1));
    }
    const QColor ink = isChecked() ? l.card : l.ink;
    drawEndMark(painter, {18.0, height() / 2.0}, kind_, 1, used_ ? l.kind(kind_) : l.line);
    constexpr int nameLeft = 26;
    constexpr int nameWidth = 84;
    painter.setFont(textFont(13, used_));
    painter.setPen(ink);
    const auto elided = [&](const QString& text, int width) {
        return painter.fontMetrics().elidedText(text, Qt::ElideRight, width);
    };
    painter.drawText(QRect(nameLeft, 0, nameWidth, height()), Qt::AlignVCenter, elided(text(), nameWidth));
    painter.setFont(textFont(13));
    painter.setPen(isChecked() ? l.card : l.softInk);
    const QRect rest(nameLeft + nameWidth + 6, 0, width() - nameLeft - nameWidth - 8, height());
    painter.drawText(rest, Qt::AlignVCenter, elided(state_, rest.width()));
}

} // namespace lariat
