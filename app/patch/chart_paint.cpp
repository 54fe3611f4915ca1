// How the chart is drawn: the page that changes seldom, and the traces that change with every frame.
#include "patch/chart.h"

#include "library/meaning.h"
#include "look/fonts.h"
#include "look/text.h"
#include "look/trace_image.h"
#include "shell/theme.h"

#include <QPainter>
#include <QScrollBar>

#include <algorithm>
#include <cmath>

namespace lariat {
namespace {

constexpr qreal kWideEnough = 150; ///< pixels in which a trace can be read
constexpr qreal kAsideWidth = 280; ///< of a trace that stands beside its cable
constexpr qreal kRoomForTrace = 90;
constexpr qreal kLeader = 24; ///< from a post past its word to the trace

} // namespace

void Chart::paintEvent(QPaintEvent*) {
    if (pageStale_ || page_.size() != viewport()->size() * devicePixelRatioF()) paintPage();
    QPainter painter(viewport());
    painter.drawPixmap(0, 0, page_);
    if (layout_.posts.empty()) return;
    painter.save();
    painter.setClipRect(QRectF(ChartLayout::kGutter, rowsTop(),
                               viewport()->width() - ChartLayout::kGutter - ChartLayout::kReadings,
                               viewport()->height() - rowsTop()));
    const int scrolled = verticalScrollBar()->value();
    painter.translate(-horizontalScrollBar()->value(), rowsTop() - scrolled);
    for (const ChartRow& row : layout_.rows)
        if (row.kind == ChartRow::Kind::Cable && row.top + row.height > scrolled &&
            row.top < scrolled + viewport()->height() - rowsTop())
            paintTrace(painter, row);
    painter.restore();
    paintHover(painter);
    paintPreview(painter);
    paintDrag(painter);
}

void Chart::paintPage() {
    pageStale_ = false;
    page_ = QPixmap(viewport()->size() * devicePixelRatioF());
    page_.setDevicePixelRatio(devicePixelRatioF());
    page_.fill(look().paper);
    QPainter painter(&page_);
    if (layout_.posts.empty()) return;
    painter.save();
    painter.setClipRect(QRectF(0, rowsTop(), viewport()->width(), viewport()->height() - rowsTop()));
    paintPosts(painter);
    paintRows(painter);
    painter.restore();
    paintHeads(painter);
}

void Chart::paintPosts(QPainter& painter) {
    const Look& l = look();
    painter.save();
    painter.setClipRect(QRectF(0, rowsTop(), viewport()->width() - ChartLayout::kReadings, viewport()->height()),
                        Qt::IntersectClip);
    painter.translate(-horizontalScrollBar()->value(), 0);
    for (const ChartPost& post : layout_.posts) {
        const bool chosen = post.id == selection_.post();
        painter.setPen(QPen(chosen ? l.accent : l.line, chosen ? 4 : 3));
        painter.drawLine(QPointF(post.x, rowsTop()), QPointF(post.x, viewport()->height()));
    }
    painter.restore();
}

/// A short cable has no room for its trace between its ends: it stands in the widest free stretch of the row, beside
/// the words.
void Chart::placeTraces() {
    aside_.clear();
    const QFontMetricsF metrics(textFont(13));
    const auto wordWidth = [&](const JackRef& ref) {
        return metrics.horizontalAdvance(q(jackWord(document_.patch(), document_.library(), ref)));
    };
    const qreal end = std::max(layout_.contentWidth, view_.width - ChartLayout::kReadings) - 12;
    for (const ChartRow& row : layout_.rows) {
        if (row.kind != ChartRow::Kind::Cable) continue;
        if (std::abs(row.toX - row.fromX) - 19 >= kWideEnough) continue;
        const bool forward = row.toX >= row.fromX;
        const qreal first = std::min(row.fromX, row.toX) - wordWidth(forward ? row.from : row.to) - kLeader;
        const qreal last = std::max(row.fromX, row.toX) + wordWidth(forward ? row.to : row.from) + kLeader;
        const qreal left = first - ChartLayout::kGutter;
        const qreal right = end - last;
        const qreal width = std::min(std::max(left, right), kAsideWidth);
        if (width < std::max(kRoomForTrace, std::abs(row.toX - row.fromX))) continue;
        aside_[row.cable] = QRectF(right >= left ? last : first - width, row.top + 3, width, row.height - 6);
    }
}

QRectF Chart::traceBox(const ChartRow& row) const {
    if (const auto aside = aside_.find(row.cable); aside != aside_.end()) return aside->second;
    const qreal left = std::min(row.fromX, row.toX) + (row.toX >= row.fromX ? 7 : 12);
    const qreal right = std::max(row.fromX, row.toX) - (row.toX >= row.fromX ? 12 : 7);
    return QRectF(left, row.top + 3, std::max(2.0, right - left), row.height - 6);
}

/// The cable itself, between its ends, and a thin leader to the trace that stands beside it.
void Chart::paintAside(QPainter& painter, const ChartRow& row, const QColor& colour) {
    const qreal middle = row.top + row.height / 2;
    const QRectF box = traceBox(row);
    painter.setPen(QPen(colour, 2));
    painter.drawLine(QPointF(row.fromX, middle), QPointF(row.toX, middle));
    painter.setPen(QPen(colour, 1, Qt::DotLine));
    const bool right = box.left() > std::max(row.fromX, row.toX);
    painter.drawLine(QPointF(right ? std::max(row.fromX, row.toX) : std::min(row.fromX, row.toX), middle),
                     QPointF(right ? box.left() : box.right(), middle));
}

void Chart::paintTrace(QPainter& painter, const ChartRow& row) {
    const LiveTrace* trace = readings_.trace(row.from);
    if (!trace) return;
    const QRectF box = traceBox(row);
    const qreal scale = devicePixelRatioF();
    const QSize size((box.size() * scale).toSize());
    const SignalKind kind = trace->reading().kind;
    QImage image = traceImage(size, readings_.columns(row.from, size.width()), trace->range(), kind, look().kind(kind),
                              static_cast<float>(scale));
    image.setDevicePixelRatio(scale);
    painter.drawImage(box.topLeft(), image);
}

/// Draws the rows of one source anew on the page, and leaves the rest of it.
void Chart::repaintRows(const JackRef& source) {
    if (pageStale_ || page_.isNull()) return;
    const QRectF body(0, rowsTop(), viewport()->width(), viewport()->height() - rowsTop());
    for (const ChartRow& row : layout_.rows) {
        if (row.kind != ChartRow::Kind::Cable || row.from != source) continue;
        const QRectF band =
            QRectF(0, rowsTop() + row.top - verticalScrollBar()->value(), viewport()->width(), row.height)
                .intersected(body);
        if (band.isEmpty()) continue;
        QPainter painter(&page_);
        painter.setClipRect(band);
        painter.fillRect(band, look().paper);
        paintPosts(painter);
        painter.translate(0, rowsTop() - verticalScrollBar()->value());
        paintCable(painter, row);
        viewport()->update(band.toAlignedRect());
    }
}

QRegion Chart::liveRegion() const {
    QRegion region;
    const QRectF body(ChartLayout::kGutter, rowsTop(),
                      viewport()->width() - ChartLayout::kGutter - ChartLayout::kReadings,
                      viewport()->height() - rowsTop());
    for (const ChartRow& row : layout_.rows)
        if (row.kind == ChartRow::Kind::Cable) {
            const QRectF box =
                traceBox(row)
                    .translated(-horizontalScrollBar()->value(), rowsTop() - verticalScrollBar()->value())
                    .intersected(body);
            if (!box.isEmpty()) region += box.toAlignedRect();
        }
    return region;
}

void Chart::paintRows(QPainter& painter) {
    const int scrolled = verticalScrollBar()->value();
    painter.translate(0, rowsTop() - scrolled);
    const qreal visible = viewport()->height() - rowsTop();
    for (const ChartRow& row : layout_.rows) {
        if (row.top + row.height < scrolled || row.top > scrolled + visible) continue;
        switch (row.kind) {
        case ChartRow::Kind::Heading:
            paintHeading(painter, row);
            break;
        case ChartRow::Kind::Cable:
            paintCable(painter, row);
            break;
        case ChartRow::Kind::Normal:
            paintNormal(painter, row);
            break;
        case ChartRow::Kind::Finding:
            paintFinding(painter, row);
            break;
        case ChartRow::Kind::Open:
            paintOpenEnd(painter, row);
            break;
        }
    }
    if (document_.patch().cables.empty()) {
        const QString text = tr("No cable yet. Drag from one post's line to another, or press Ctrl+T and write which "
                                "output goes to which input.");
        painter.setFont(textFont(14));
        const QRectF box(ChartLayout::kGutter, layout_.contentHeight + 16,
                         viewport()->width() - ChartLayout::kGutter - 24, 60);
        painter.fillRect(painter.boundingRect(box, Qt::TextWordWrap, text).adjusted(-4, -2, 4, 2), look().paper);
        painter.setPen(look().softInk);
        painter.drawText(box, Qt::TextWordWrap, text);
    }
}

void Chart::paintHeading(QPainter& painter, const ChartRow& row) {
    const Look& l = look();
    const QRectF band(8, row.top + 3, viewport()->width() - 16, row.height - 6);
    painter.fillRect(band, l.panel);
    const Heading* style = document_.patch().heading(row.voice, row.step);
    if (style && !style->colour.empty())
        painter.fillRect(QRectF(band.left(), band.top(), 6, band.height()), headingColour(style->colour));
    painter.setFont(textFont(13, true));
    painter.setPen(l.ink);
    QString text = (row.folded ? QStringLiteral("▸ ") : QStringLiteral("▾ ")) + row.heading;
    if (row.folded)
        text += tr("  (%n row(s))", nullptr,
                   static_cast<int>(std::ranges::count_if(document_.patch().cables, [&](const Cable& cable) {
                       return cable.voice == row.voice && cable.step == row.step;
                   })));
    const Listening& listening = sound_.listening();
    if (listening.voiceSilenced(row.voice) || (!listening.solo().empty() && listening.solo() != row.voice))
        text += tr("  · muted");
    painter.drawText(QRectF(20, row.top, viewport()->width() - 36, row.height), Qt::AlignVCenter, text);
    if (!isKeyed(row)) return;
    painter.setBrush(Qt::NoBrush);
    painter.setPen(QPen(l.accent, 2));
    painter.drawRect(band.adjusted(1, 1, -1, -1));
}

void Chart::paintEnds(QPainter& painter, const ChartRow& row, const QColor& colour, SignalKind kind, int pixels) {
    const Look& l = look();
    const JackInfo* from = document_.library().jack(document_.patch(), row.from);
    const JackInfo* to = document_.library().jack(document_.patch(), row.to);
    const int direction = row.toX >= row.fromX ? 1 : -1;
    const qreal middle = row.top + row.height / 2;
    const auto word = [&](const JackRef& ref, const JackInfo* jack, qreal x, bool leftward) {
        if (!jack) return;
        const QString name = q(jackWord(document_.patch(), document_.library(), ref));
        painter.setFont(textFont(pixels));
        const QRectF box(leftward ? x - 300 : x, row.top, 300, row.height);
        const int align = static_cast<int>(Qt::AlignVCenter | (leftward ? Qt::AlignRight : Qt::AlignLeft));
        QRectF ground = painter.boundingRect(box, align, name).adjusted(-2, 1, 2, -1);
        painter.fillRect(ground, row.cable && selection_.has(row.cable) ? l.card : l.paper);
        painter.setPen(l.ink);
        painter.drawText(box, align, name);
    };
    word(row.from, from, row.fromX - 9 * direction, direction > 0);
    word(row.to, to, row.toX + 9 * direction, direction < 0);
    drawStartMark(painter, {row.fromX, middle}, colour);
    if (row.from.post != row.to.post) {
        drawEndMark(painter, {row.toX, middle}, kind, direction, colour);
        return;
    }
    const qreal below = row.top + row.height - 5;
    painter.setPen(QPen(colour, 1.4));
    painter.setBrush(Qt::NoBrush);
    painter.drawPolyline(QPolygonF{QPointF(row.toX - 10, middle), QPointF(row.toX, middle), QPointF(row.toX, below),
                                   QPointF(row.fromX + 10, below)});
    drawEndMark(painter, {row.fromX, below}, kind, -1, colour);
}

void Chart::paintCable(QPainter& painter, const ChartRow& row) {
    const Look& l = look();
    const bool chosen = selection_.has(row.cable);
    if (chosen) painter.fillRect(QRectF(8, row.top, viewport()->width() - 16, row.height), l.card);
    const LiveTrace* trace = readings_.trace(row.from);
    const JackInfo* jack = document_.library().jack(document_.patch(), row.from);
    const SignalKind kind = trace ? trace->reading().kind : jack ? jack->kind : SignalKind::Control;
    const QColor colour = l.kind(kind);

    painter.save();
    painter.setClipRect(
        QRectF(ChartLayout::kGutter - 36, row.top, viewport()->width() - ChartLayout::kReadings - 8, row.height),
        Qt::IntersectClip);
    painter.translate(-horizontalScrollBar()->value(), 0);
    const QRectF box = traceBox(row);
    painter.setRenderHint(QPainter::Antialiasing, false);
    if (aside_.contains(row.cable)) paintAside(painter, row, colour);
    painter.fillRect(box, l.card);
    if (trace) {
        const VoltRange range = trace->range();
        painter.setPen(QPen(l.line, 1));
        if (range.low < 0.0f && range.high > 0.0f) {
            const qreal zero = box.bottom() + static_cast<qreal>(range.low / (range.high - range.low)) * box.height();
            painter.drawLine(QPointF(box.left(), zero), QPointF(box.right(), zero));
        }
    }
    paintEnds(painter, row, colour, kind, 13);
    painter.restore();

    if (horizontalScrollBar()->value() > 0) // words run out below the numbers, as they do below the readings
        painter.fillRect(QRectF(8, row.top + 1, ChartLayout::kGutter - 12, row.height - 2), chosen ? l.card : l.paper);
    painter.setFont(textFont(13, true));
    painter.setPen(chosen ? l.accent : l.softInk);
    painter.drawText(QRectF(4, row.top, 22, row.height), Qt::AlignVCenter | Qt::AlignRight,
                     QString::number(document_.patch().row(row.cable)));
    if (findingOf(row.cable, ""))
        painter.fillRect(QRectF(30, row.top, 6, row.height), l.alarm); // joins its finding's row
    paintReadings(painter, row, trace);
}

void Chart::paintReadings(QPainter& painter, const ChartRow& row, const LiveTrace* trace) {
    const Look& l = look();
    const QRectF box(viewport()->width() - ChartLayout::kReadings, row.top, ChartLayout::kReadings - 12, row.height);
    painter.fillRect(QRectF(box.left() - 4, row.top + 1, ChartLayout::kReadings, row.height - 2),
                     selection_.has(row.cable) ? l.card : l.paper);
    const Finding* finding = findingOf(row.cable, "");
    QString range = trace ? q(rangeText(trace->reading())) : QStringLiteral("–");
    QString detail = trace ? said(detailReading(trace->reading())) : QString();
    for (const LateCable& late : sound_.engine().lateCables())
        if (late.cable == row.cable) detail = tr("loop: 1 sample late");
    if (sound_.listening().rowSilenced(row.cable)) detail = tr("muted");
    if (sound_.listening().listened() == row.cable) detail = tr("heard alone");
    const bool clips = trace && trace->reading().clips;
    if (clips) detail = tr("over the rails");
    painter.setFont(figureFont(13));
    painter.setPen(l.ink);
    const bool oneLine = view_.compact || detail.isEmpty();
    painter.drawText(oneLine ? box : box.adjusted(0, 2, 0, -row.height / 2), Qt::AlignRight | Qt::AlignVCenter, range);
    if (oneLine) return;
    painter.setFont(textFont(13));
    painter.setPen(finding || clips ? l.alarm : l.softInk);
    painter.drawText(box.adjusted(-40, row.height / 2 - 1, 0, -2), Qt::AlignRight | Qt::AlignVCenter, detail);
}

void Chart::paintNormal(QPainter& painter, const ChartRow& row) {
    const Look& l = look();
    painter.save();
    painter.setClipRect(QRectF(8, row.top, viewport()->width() - ChartLayout::kReadings - 8, row.height),
                        Qt::IntersectClip);
    painter.translate(-horizontalScrollBar()->value(), 0);
    const qreal middle = row.top + row.height / 2;
    painter.setRenderHint(QPainter::Antialiasing);
    QPen pen(l.softInk, 1.4, Qt::DotLine);
    painter.setPen(pen);
    const JackInfo* jack = document_.library().jack(document_.patch(), row.from);
    if (row.fromX != row.toX) painter.drawLine(QPointF(row.fromX, middle), QPointF(row.toX, middle));
    paintEnds(painter, row, l.softInk, jack ? jack->kind : SignalKind::Control, 13);
    painter.restore();
    painter.setFont(textFont(13));
    painter.setPen(l.softInk);
    painter.drawText(
        QRectF(viewport()->width() - ChartLayout::kReadings, row.top, ChartLayout::kReadings - 12, row.height),
        Qt::AlignRight | Qt::AlignVCenter, tr("behind the panel"));
}

/// A row that ends nowhere: from the end that is known to a question mark.
void Chart::paintOpenEnd(QPainter& painter, const ChartRow& row) {
    const Look& l = look();
    const auto& ends = document_.patch().openEnds;
    const auto end = std::ranges::find(ends, row.openEnd, &OpenEnd::id);
    if (end == ends.end()) return;
    painter.save();
    painter.setClipRect(QRectF(8, row.top, viewport()->width() - ChartLayout::kReadings - 8, row.height),
                        Qt::IntersectClip);
    painter.translate(-horizontalScrollBar()->value(), 0);
    const qreal middle = row.top + row.height / 2;
    const JackInfo* jack = document_.library().jack(document_.patch(), end->at);
    const QColor colour = l.kind(jack ? jack->kind : SignalKind::Control);
    const qreal known = end->output ? row.fromX : row.toX;
    const qreal open = end->output ? row.toX : row.fromX;
    painter.setRenderHint(QPainter::Antialiasing);
    painter.setPen(QPen(colour, 1.4, Qt::DashLine));
    painter.drawLine(QPointF(known, middle), QPointF(open + (end->output ? -9 : 9), middle));
    painter.setFont(textFont(13, true));
    painter.setPen(l.ink);
    painter.drawText(QRectF(open - 9, row.top, 18, row.height), Qt::AlignCenter, QStringLiteral("?"));
    if (end->output)
        drawStartMark(painter, {known, middle}, colour);
    else
        drawEndMark(painter, {known, middle}, jack ? jack->kind : SignalKind::Control, 1, colour);
    painter.setFont(textFont(13));
    const auto word = [&](const QString& text, qreal x, bool leftward) {
        const QRectF box(leftward ? x - 300 : x, row.top, 300, row.height);
        const int align = static_cast<int>(Qt::AlignVCenter | (leftward ? Qt::AlignRight : Qt::AlignLeft));
        painter.fillRect(painter.boundingRect(box, align, text).adjusted(-2, 1, 2, -1), l.paper);
        painter.setPen(l.ink);
        painter.drawText(box, align, text);
    };
    if (jack)
        word(q(jackWord(document_.patch(), document_.library(), end->at)), known + (end->output ? -9 : 9), end->output);
    if (!end->written.empty()) word(q(end->written).left(40), open + (end->output ? 12 : -12), !end->output);
    painter.restore();
    painter.setFont(textFont(13));
    painter.setPen(l.softInk);
    painter.drawText(
        QRectF(viewport()->width() - ChartLayout::kReadings, row.top, ChartLayout::kReadings - 12, row.height),
        Qt::AlignRight | Qt::AlignVCenter, tr("open end"));
}

std::vector<QRectF> Chart::fixBoxes(const ChartRow& row) const {
    const Finding& finding = checker_.findings()[row.finding];
    const QFontMetricsF metrics(textFont(13, true));
    std::vector<QRectF> boxes(finding.fixes.size());
    qreal right = viewport()->width() - 18;
    for (std::size_t i = boxes.size(); i-- > 0;) {
        const qreal width = metrics.horizontalAdvance(said(finding.fixes[i].label)) + 18;
        boxes[i] = QRectF(right - width, row.top + 3, width, row.height - 6);
        right -= width + 6;
    }
    return boxes;
}

void Chart::paintFinding(QPainter& painter, const ChartRow& row) {
    const Look& l = look();
    const Finding& finding = checker_.findings()[row.finding];
    const QRectF band(30, row.top + 1, viewport()->width() - 38, row.height - 2);
    const bool quiet = !isProblem(finding); // the next step of a patch that is not finished
    painter.fillRect(band, quiet ? l.card : l.alarmGround);
    painter.fillRect(QRectF(30, band.top(), 6, band.height()), quiet ? l.line : l.alarm);
    qreal end = band.right() - 8;
    const std::vector<QRectF> boxes = fixBoxes(row);
    painter.setFont(textFont(13, true));
    for (std::size_t i = 0; i < boxes.size(); ++i) {
        painter.setRenderHint(QPainter::Antialiasing);
        painter.setPen(QPen(quiet ? l.accent : l.alarm, 1));
        painter.setBrush(l.card);
        painter.drawRoundedRect(boxes[i].adjusted(0.5, 0.5, -0.5, -0.5), 3, 3);
        painter.drawText(boxes[i], Qt::AlignCenter, said(finding.fixes[i].label));
        end = std::min(end, boxes[i].left() - 8);
    }
    painter.setFont(textFont(13));
    painter.setPen(l.ink);
    const QString where =
        finding.cable ? QString() : q(document_.patch().post(finding.post)->name) + QStringLiteral(": ");
    const QRectF text(44, row.top, end - 44, row.height);
    painter.drawText(
        text, Qt::AlignVCenter,
        QFontMetricsF(painter.font())
            .elidedText(quiet ? said(finding.reason) : where + said(finding.figure), Qt::ElideRight, text.width()));
}

} // namespace lariat
