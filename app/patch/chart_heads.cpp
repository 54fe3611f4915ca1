// The heads of the posts: name, main knobs, and a sequencer's pattern; and what an empty chart says.
#include "patch/chart.h"

#include "building/nobody_knows.h"
#include "look/fonts.h"
#include "look/text.h"
#include "shell/theme.h"

#include <QPainter>
#include <QScrollBar>

#include <algorithm>

namespace lariat {

/// The notes of the first track as steps, and the hits of the first lane below them.
void Chart::paintPattern(QPainter& painter, const Pattern& pattern, const QRectF& box) {
    const Look& l = look();
    painter.setRenderHint(QPainter::Antialiasing, false);
    if (!pattern.tracks.empty()) {
        const auto& steps = pattern.tracks.front().steps;
        int low = 127;
        int high = 0;
        for (const Step& step : steps)
            if (step.kind == Step::Kind::Note) {
                low = std::min(low, step.note);
                high = std::max(high, step.note);
            }
        const qreal width = box.width() / static_cast<qreal>(steps.size());
        for (std::size_t i = 0; i < steps.size(); ++i)
            if (steps[i].kind == Step::Kind::Note) {
                const qreal up = (steps[i].note - low) / std::max(1.0, static_cast<double>(high - low));
                painter.fillRect(
                    QRectF(box.left() + static_cast<qreal>(i) * width, box.top() + (1.0 - up) * 14, width - 1, 3),
                    l.kind(SignalKind::Pitch));
            }
    }
    if (!pattern.lanes.empty()) {
        const auto& hits = pattern.lanes.front().hits;
        const qreal width = box.width() / static_cast<qreal>(hits.size());
        for (std::size_t i = 0; i < hits.size(); ++i)
            if (hits[i] != Hit::Rest)
                painter.fillRect(
                    QRectF(box.left() + static_cast<qreal>(i) * width, box.bottom() - 4, std::max(1.5, width - 1), 4),
                    l.kind(SignalKind::Gate));
    }
}

void Chart::paintHeads(QPainter& painter) {
    const Look& l = look();
    painter.save();
    painter.translate(-horizontalScrollBar()->value(), 0);
    for (const ChartPost& place : layout_.posts) {
        const bool chosen = place.id == selection_.post();
        painter.setPen(QPen(chosen ? l.accent : l.line, chosen ? 4 : 3));
        painter.drawLine(QPointF(place.x, place.head.bottom()), QPointF(place.x, rowsTop()));
    }
    for (const ChartPost& place : layout_.posts) {
        const Post& post = *document_.patch().post(place.id);
        const PartInfo& part = *document_.library().part(post);
        const bool chosen = place.id == selection_.post();
        painter.setRenderHint(QPainter::Antialiasing);
        painter.setPen(QPen(chosen                ? l.accent
                            : isUnknownPart(post) ? l.softInk
                                                  : l.line,
                            chosen ? 2 : 1, isUnknownPart(post) ? Qt::DashLine : Qt::SolidLine));
        painter.setBrush(l.card);
        painter.drawRoundedRect(place.head.adjusted(0.5, 0.5, -0.5, -0.5), 3, 3);
        // A narrow head has its name in the lighter face before it is cut.
        const qreal room = place.head.width() - 4;
        // A note is marked by a folded corner.
        if (!post.note.empty())
            painter.drawPolygon(QPolygonF{place.head.topRight() + QPointF(-10, 0.5),
                                          place.head.topRight() + QPointF(-0.5, 10),
                                          place.head.topRight() + QPointF(-10, 10)});
        const bool fits = QFontMetricsF(textFont(13, true)).horizontalAdvance(q(post.name)) <= room;
        painter.setFont(textFont(13, fits));
        painter.setPen(findingOf(0, place.id) ? l.alarm : l.ink);
        const QString name = QFontMetricsF(painter.font()).elidedText(q(post.name), Qt::ElideMiddle, room);
        painter.drawText(QRectF(place.head.left(), place.head.top() + 3, place.head.width(), 20),
                         Qt::AlignHCenter | Qt::AlignVCenter, name);
        if (const Pattern* pattern = document_.patch().pattern(post.id)) {
            paintPattern(painter, *pattern, place.head.adjusted(8, 25, -8, -8));
            continue;
        }
        if (isUnknownPart(post)) {
            painter.setFont(textFont(16, true));
            painter.setPen(l.softInk);
            painter.drawText(QRectF(place.head.left(), place.head.top() + 24, place.head.width(), 28), Qt::AlignCenter,
                             QStringLiteral("?"));
            continue;
        }
        const auto knobs = static_cast<qreal>(part.mainKnobs.size());
        const qreal spacing = std::min(27.0, place.head.width() / std::max(1.0, knobs));
        qreal x = place.head.center().x() - spacing * (knobs - 1) / 2;
        for (const std::string& id : part.mainKnobs) {
            const KnobInfo& knob = *part.knob(id);
            drawDial(painter, {x, place.head.top() + 39}, std::min(10.5, spacing / 2 - 1.5),
                     post.unknown.contains(id) ? std::nullopt
                                               : std::optional(knob.scale.toFraction(knobValue(post, knob))),
                     l.ink, l.card);
            x += spacing;
        }
    }
    painter.restore();
}

} // namespace lariat
