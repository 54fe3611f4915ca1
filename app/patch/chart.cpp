#include "patch/chart.h"

#include "library/tie.h"
#include "look/fonts.h"
#include "look/look.h"
#include "look/trace_image.h"
#include "shell/theme.h"

#include <QHelpEvent>
#include <QKeyEvent>
#include <QMouseEvent>
#include <QPainter>
#include <QScrollBar>
#include <QToolTip>

#include <algorithm>
#include <cmath>
#include <tuple>

namespace lariat {
namespace {

constexpr int kFrameMilliseconds = 16;
constexpr int kHeldColumns = 600;    ///< of a picture that is held
constexpr int kMeasuredPerFrame = 2; ///< rows whose readings are taken anew in one frame
constexpr qreal kReach = 12;         ///< how near a post's line the pointer has to be

QString q(const std::string& text) {
    return QString::fromStdString(text);
}

} // namespace

Chart::Chart(Document& document, Sound& sound, Checker& checker, QWidget* parent)
    : QAbstractScrollArea(parent), document_(document), sound_(sound), checker_(checker) {
    setFrameShape(QFrame::NoFrame);
    setFocusPolicy(Qt::StrongFocus);
    setAccessibleName(tr("Cable chart"));
    viewport()->setMouseTracking(true);
    connect(&document_, &Document::changed, this, &Chart::relayout);
    connect(&checker_, &Checker::findingsChanged, this, &Chart::relayout);
    connect(&frames_, &QTimer::timeout, this, [this] {
        if (!isVisible() || frozen_) return;
        measureSome();
        viewport()->update(liveRegion());
    });
    frames_.start(kFrameMilliseconds);
    relayout();
}

void Chart::relayout() {
    view_.width = viewport()->width();
    layout_ = ChartLayout::of(document_.patch(), sound_.engine().normals(), checker_.findings(), view_);
    if (cable_ && !document_.patch().cable(cable_)) cable_ = 0;
    if (!post_.empty() && !document_.patch().post(post_)) post_.clear();
    const int visible = viewport()->height() - static_cast<int>(rowsTop());
    verticalScrollBar()->setRange(0, std::max(0, static_cast<int>(layout_.contentHeight) + 24 - visible));
    verticalScrollBar()->setPageStep(visible);
    verticalScrollBar()->setSingleStep(38);
    const int shown = static_cast<int>(view_.width - ChartLayout::kGutter - ChartLayout::kReadings);
    horizontalScrollBar()->setRange(0, std::max(0, static_cast<int>(layout_.contentWidth) - shown));
    horizontalScrollBar()->setPageStep(shown);
    std::erase_if(traces_, [&](const auto& entry) { return !sound_.engine().tap(entry.first); });
    redraw();
}

void Chart::measureSome() {
    std::vector<JackRef> sources;
    for (const Cable& cable : document_.patch().cables)
        if (std::ranges::find(sources, cable.from) == sources.end()) sources.push_back(cable.from);
    if (sources.empty()) return;
    for (int i = 0; i < kMeasuredPerFrame; ++i) {
        const JackRef& source = sources[nextToMeasure_++ % sources.size()];
        const auto tap = sound_.engine().tap(source);
        const JackInfo* jack = document_.library().jack(document_.patch(), source);
        if (!tap || !jack) continue;
        const auto face = [](const LiveTrace& trace) { // everything of a row that stands on the page
            return std::tuple(trace.reading().kind, trace.range().low, trace.range().high, rangeText(trace.reading()),
                              detailText(trace.reading()));
        };
        const bool isNew = !traces_.contains(source);
        LiveTrace& trace = traces_[source];
        const auto before = face(trace);
        trace.measure(*tap, sound_.engine().rate(), jack->kind);
        if (isNew || face(trace) != before) repaintRows(source);
    }
}

/// Draws the page anew with the next frame.
void Chart::redraw() {
    pageStale_ = true;
    viewport()->update();
}

void Chart::setFrozen(bool frozen) {
    frozen_ = frozen;
    held_.clear();
    if (!frozen) return;
    for (const auto& [source, trace] : traces_)
        if (const auto tap = sound_.engine().tap(source))
            held_[source] = trace.columns(*tap, sound_.engine().rate(), kHeldColumns);
}

void Chart::setCompact(bool compact) {
    view_.compact = compact;
    relayout();
}

void Chart::setShowsNormals(bool shown) {
    view_.showNormals = shown;
    relayout();
}

void Chart::selectCable(int cable) {
    cable_ = cable;
    if (const Cable* found = document_.patch().cable(cable)) post_ = found->to.post;
    if (cable) ensureVisible(cable);
    redraw();
    Q_EMIT selectionChanged();
}

void Chart::selectPost(const std::string& post) {
    cable_ = 0;
    post_ = post;
    redraw();
    Q_EMIT selectionChanged();
}

void Chart::removeSelected() {
    const int row = document_.patch().row(cable_);
    if (row == 0) return;
    const int cable = cable_;
    document_.apply({RemoveCable{cable}}, tr("remove cable %1").arg(row));
    const auto& cables = document_.patch().cables;
    if (!cables.empty()) selectCable(cables[std::min(static_cast<std::size_t>(row), cables.size()) - 1].id);
}

void Chart::moveSelected(int by) {
    const int row = document_.patch().row(cable_);
    const int target = row + by;
    if (row == 0 || target < 1 || target > static_cast<int>(document_.patch().cables.size())) return;
    const Cable& there = document_.patch().cables[static_cast<std::size_t>(target - 1)];
    // A row that is moved into another group belongs to that group.
    document_.apply({ReorderCable{cable_, target}, RegroupCable{cable_, there.voice, there.step}},
                    tr("move cable %1 to row %2").arg(row).arg(target));
    ensureVisible(cable_);
}

std::vector<MinMax> Chart::traceOf(int cable) const {
    const Cable* found = document_.patch().cable(cable);
    return found ? columnsOf(found->from, 200) : std::vector<MinMax>{};
}

QString Chart::readingOf(int cable) const {
    const Cable* found = document_.patch().cable(cable);
    const auto trace = found ? traces_.find(found->from) : traces_.end();
    if (trace == traces_.end()) return {};
    const Reading& reading = trace->second.reading();
    return q(rangeText(reading)) + QLatin1Char(' ') + q(detailText(reading));
}

QPoint Chart::pointOn(const std::string& post, int cable) const {
    const ChartPost* found = layout_.post(post);
    const ChartRow* row = layout_.cableRow(cable);
    const qreal y = row ? row->top + row->height / 2 - verticalScrollBar()->value() : 8;
    return QPointF((found ? found->x : 0) - horizontalScrollBar()->value(), rowsTop() + y).toPoint();
}

QPoint Chart::fixPoint(const std::string& rule, std::size_t fix) const {
    for (const ChartRow& row : layout_.rows)
        if (row.kind == ChartRow::Kind::Finding && checker_.findings()[row.finding].rule == rule)
            return fixBoxes(row).at(fix).translated(0, rowsTop() - verticalScrollBar()->value()).center().toPoint();
    return {};
}

QPointF Chart::toContent(const QPoint& point) const {
    return {point.x() + static_cast<qreal>(horizontalScrollBar()->value()),
            point.y() - rowsTop() + verticalScrollBar()->value()};
}

void Chart::ensureVisible(int cable) {
    const ChartRow* row = layout_.cableRow(cable);
    if (!row) return;
    QScrollBar* bar = verticalScrollBar();
    const int top = static_cast<int>(row->top);
    const int bottom = static_cast<int>(row->top + row->height);
    const int visible = viewport()->height() - static_cast<int>(rowsTop());
    if (top < bar->value()) bar->setValue(top);
    if (bottom > bar->value() + visible) bar->setValue(bottom - visible);
}

int Chart::rowUnder(const QPoint& point) const {
    if (point.y() < rowsTop()) return 0;
    const ChartRow* row = layout_.rowAt(toContent(point).y());
    return row ? row->cable : 0;
}

const Finding* Chart::findingOf(int cable, const std::string& post) const {
    for (const Finding& finding : checker_.findings())
        if (cable ? finding.cable == cable : finding.cable == 0 && finding.post == post) return &finding;
    return nullptr;
}

void Chart::resizeEvent(QResizeEvent* event) {
    QAbstractScrollArea::resizeEvent(event);
    relayout();
}

void Chart::mousePressEvent(QMouseEvent* event) {
    if (event->button() != Qt::LeftButton) return;
    dragStart_ = dragAt_ = event->position().toPoint();
    const QPointF at = toContent(dragStart_);
    if (dragStart_.y() < rowsTop()) {
        for (const ChartPost& post : layout_.posts)
            if (post.head.contains(QPointF(at.x(), dragStart_.y()))) {
                selectPost(post.id);
                drag_ = Drag::Head;
                dragPost_ = post.id;
            }
        return;
    }
    const ChartRow* row = layout_.rowAt(at.y());
    if (row && row->kind == ChartRow::Kind::Heading) {
        if (!view_.folded.remove(row->heading)) view_.folded.insert(row->heading);
        relayout();
        return;
    }
    if (row && row->kind == ChartRow::Kind::Finding) {
        const Finding& finding = checker_.findings()[row->finding];
        const int fix = fixUnder(*row, dragStart_);
        finding.cable ? selectCable(finding.cable) : selectPost(finding.post);
        if (fix >= 0) Q_EMIT fixRequested(finding, static_cast<std::size_t>(fix));
        return;
    }
    if (row && row->cable) selectCable(row->cable);
    if (dragStart_.x() < ChartLayout::kGutter && row && row->cable) {
        drag_ = Drag::Row;
    } else if (const ChartPost* post = layout_.postNear(at.x(), kReach)) {
        drag_ = Drag::Tie;
        dragPost_ = post->id;
    }
}

void Chart::mouseMoveEvent(QMouseEvent* event) {
    dragAt_ = event->position().toPoint();
    if (drag_ == Drag::None) {
        const bool overPost = dragAt_.y() > rowsTop() && layout_.postNear(toContent(dragAt_).x(), kReach);
        const ChartRow* row = dragAt_.y() > rowsTop() ? layout_.rowAt(toContent(dragAt_).y()) : nullptr;
        const bool overFix = row && row->kind == ChartRow::Kind::Finding && fixUnder(*row, dragAt_) >= 0;
        viewport()->setCursor(overFix ? Qt::PointingHandCursor : overPost ? Qt::CrossCursor : Qt::ArrowCursor);
    }
    if (drag_ != Drag::None) viewport()->update();
}

void Chart::mouseReleaseEvent(QMouseEvent* event) {
    const Drag drag = drag_;
    drag_ = Drag::None;
    dragAt_ = event->position().toPoint();
    viewport()->update();
    if ((dragAt_ - dragStart_).manhattanLength() < 6) return;
    const QPointF at = toContent(dragAt_);
    if (drag == Drag::Tie) {
        const ChartPost* target = layout_.postNear(at.x(), 2 * kReach);
        if (target && target->id != dragPost_)
            Q_EMIT tieRequested(dragPost_, target->id, viewport()->mapToGlobal(dragAt_));
    } else if (drag == Drag::Row) {
        const int from = document_.patch().row(cable_);
        const int to = document_.patch().row(rowUnder(dragAt_));
        if (to > 0 && to != from) moveSelected(to - from);
    } else if (drag == Drag::Head) {
        int place = 0;
        for (const ChartPost& post : layout_.posts)
            if (post.id != dragPost_ && post.x < at.x()) ++place;
        document_.apply({ReorderPost{dragPost_, place}}, tr("move a post"));
    }
}

void Chart::keyPressEvent(QKeyEvent* event) {
    const auto& cables = document_.patch().cables;
    const int row = document_.patch().row(cable_);
    const auto select = [&](int number) {
        if (number >= 1 && number <= static_cast<int>(cables.size()))
            selectCable(cables[static_cast<std::size_t>(number - 1)].id);
    };
    switch (event->key()) {
    case Qt::Key_Up:
        select(row == 0 ? static_cast<int>(cables.size()) : row - 1);
        break;
    case Qt::Key_Down:
        select(row + 1);
        break;
    case Qt::Key_Home:
        select(1);
        break;
    case Qt::Key_End:
        select(static_cast<int>(cables.size()));
        break;
    case Qt::Key_Left:
    case Qt::Key_Right: {
        const auto& posts = document_.patch().posts;
        const auto it = std::ranges::find(posts, post_, &Post::id);
        const auto place = it - posts.begin() + (event->key() == Qt::Key_Right ? 1 : -1);
        if (place >= 0 && place < std::ssize(posts)) selectPost(posts[static_cast<std::size_t>(place)].id);
        break;
    }
    default:
        QAbstractScrollArea::keyPressEvent(event);
        return;
    }
    event->accept();
}

bool Chart::viewportEvent(QEvent* event) {
    if (event->type() == QEvent::ToolTip) {
        const auto* help = static_cast<QHelpEvent*>(event);
        const int cable = rowUnder(help->pos());
        const Cable* found = document_.patch().cable(cable);
        QString text;
        if (found) {
            text = tr("%1 to %2")
                       .arg(q(tieName(found->from, document_.patch(), document_.library())),
                            q(tieName(found->to, document_.patch(), document_.library())));
            if (!found->note.empty()) text += QLatin1Char('\n') + q(found->note);
            if (const Finding* finding = findingOf(cable, "")) text += QLatin1Char('\n') + q(finding->reason);
        }
        QToolTip::showText(help->globalPos(), text, viewport());
        return true;
    }
    return QAbstractScrollArea::viewportEvent(event);
}

void Chart::scrollContentsBy(int, int) {
    redraw();
}

void Chart::changeEvent(QEvent* event) {
    QAbstractScrollArea::changeEvent(event);
    if (event->type() == QEvent::PaletteChange) redraw();
}

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
    paintDrag(painter);
}

void Chart::paintPage() {
    pageStale_ = false;
    page_ = QPixmap(viewport()->size() * devicePixelRatioF());
    page_.setDevicePixelRatio(devicePixelRatioF());
    page_.fill(look().paper);
    QPainter painter(&page_);
    if (layout_.posts.empty()) {
        paintEmpty(painter);
        return;
    }
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
        const bool chosen = post.id == post_;
        painter.setPen(QPen(chosen ? l.accent : l.line, chosen ? 4 : 3));
        painter.drawLine(QPointF(post.x, rowsTop()), QPointF(post.x, viewport()->height()));
    }
    painter.restore();
}

QRectF Chart::traceBox(const ChartRow& row) const {
    const qreal left = std::min(row.fromX, row.toX) + (row.toX >= row.fromX ? 7 : 12);
    const qreal right = std::max(row.fromX, row.toX) - (row.toX >= row.fromX ? 12 : 7);
    return QRectF(left, row.top + 3, std::max(2.0, right - left), row.height - 6);
}

std::vector<MinMax> Chart::columnsOf(const JackRef& source, int columns) const {
    const auto trace = traces_.find(source);
    const auto held = held_.find(source);
    if (held != held_.end()) return held->second;
    const auto tap = sound_.engine().tap(source);
    return tap && trace != traces_.end() ? trace->second.columns(*tap, sound_.engine().rate(), columns)
                                         : std::vector<MinMax>{};
}

void Chart::paintTrace(QPainter& painter, const ChartRow& row) {
    const auto found = traces_.find(row.from);
    if (found == traces_.end()) return;
    const QRectF box = traceBox(row);
    const qreal scale = devicePixelRatioF();
    const QSize size((box.size() * scale).toSize());
    const SignalKind kind = found->second.reading().kind;
    QImage image = traceImage(size, columnsOf(row.from, size.width()), found->second.range(), kind, look().kind(kind));
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
        }
    }
    if (document_.patch().cables.empty()) {
        painter.setFont(textFont(14));
        painter.setPen(look().softInk);
        painter.drawText(QRectF(ChartLayout::kGutter, 24, viewport()->width() - ChartLayout::kGutter - 24, 60),
                         Qt::TextWordWrap,
                         tr("No cable yet. Drag from one post's line to another, or press Ctrl+T and write which "
                            "output goes to which input."));
    }
}

void Chart::paintHeading(QPainter& painter, const ChartRow& row) {
    const Look& l = look();
    painter.fillRect(QRectF(8, row.top + 3, viewport()->width() - 16, row.height - 6), l.panel);
    painter.setFont(textFont(13, true));
    painter.setPen(l.ink);
    const bool folded = view_.folded.contains(row.heading);
    painter.drawText(QRectF(16, row.top, viewport()->width() - 32, row.height), Qt::AlignVCenter,
                     (folded ? QStringLiteral("▸ ") : QStringLiteral("▾ ")) + row.heading);
}

void Chart::paintEnds(QPainter& painter, const ChartRow& row, const QColor& colour, SignalKind kind, int pixels) {
    const Look& l = look();
    const JackInfo* from = document_.library().jack(document_.patch(), row.from);
    const JackInfo* to = document_.library().jack(document_.patch(), row.to);
    const int direction = row.toX >= row.fromX ? 1 : -1;
    const qreal middle = row.top + row.height / 2;
    const auto word = [&](const JackInfo* jack, qreal x, bool leftward) {
        if (!jack) return;
        painter.setFont(textFont(pixels));
        const QRectF box(leftward ? x - 300 : x, row.top, 300, row.height);
        const int align = Qt::AlignVCenter | (leftward ? Qt::AlignRight : Qt::AlignLeft);
        QRectF ground = painter.boundingRect(box, align, q(jack->name)).adjusted(-2, 1, 2, -1);
        painter.fillRect(ground, row.cable && row.cable == cable_ ? l.card : l.paper);
        painter.setPen(l.ink);
        painter.drawText(box, align, q(jack->name));
    };
    word(from, row.fromX - 9 * direction, direction > 0);
    word(to, row.toX + 9 * direction, direction < 0);
    drawStartMark(painter, {row.fromX, middle}, colour);
    drawEndMark(painter, {row.toX, middle}, kind, direction, colour);
}

void Chart::paintCable(QPainter& painter, const ChartRow& row) {
    const Look& l = look();
    const bool chosen = row.cable == cable_;
    if (chosen) painter.fillRect(QRectF(8, row.top, viewport()->width() - 16, row.height), l.card);
    const auto found = traces_.find(row.from);
    const LiveTrace* trace = found == traces_.end() ? nullptr : &found->second;
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
                     row.cable == cable_ ? l.card : l.paper);
    const Finding* finding = findingOf(row.cable, "");
    QString range = trace ? q(rangeText(trace->reading())) : QStringLiteral("–");
    QString detail = trace ? q(detailText(trace->reading())) : QString();
    for (const LateCable& late : sound_.engine().lateCables())
        if (late.cable == row.cable) detail = tr("loop: 1 sample late");
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

std::vector<QRectF> Chart::fixBoxes(const ChartRow& row) const {
    const Finding& finding = checker_.findings()[row.finding];
    const QFontMetricsF metrics(textFont(13, true));
    std::vector<QRectF> boxes(finding.fixes.size());
    qreal right = viewport()->width() - 18;
    for (std::size_t i = boxes.size(); i-- > 0;) {
        const qreal width = metrics.horizontalAdvance(q(finding.fixes[i].label)) + 18;
        boxes[i] = QRectF(right - width, row.top + 3, width, row.height - 6);
        right -= width + 6;
    }
    return boxes;
}

int Chart::fixUnder(const ChartRow& row, const QPoint& point) const {
    const std::vector<QRectF> boxes = fixBoxes(row);
    const QPointF at(point.x(), toContent(point).y());
    const auto it = std::ranges::find_if(boxes, [&](const QRectF& box) { return box.contains(at); });
    return it == boxes.end() ? -1 : static_cast<int>(it - boxes.begin());
}

void Chart::paintFinding(QPainter& painter, const ChartRow& row) {
    const Look& l = look();
    const Finding& finding = checker_.findings()[row.finding];
    const QRectF band(30, row.top + 1, viewport()->width() - 38, row.height - 2);
    painter.fillRect(band, l.alarmGround);
    painter.fillRect(QRectF(30, band.top(), 6, band.height()), l.alarm);
    qreal end = band.right() - 8;
    const std::vector<QRectF> boxes = fixBoxes(row);
    painter.setFont(textFont(13, true));
    for (std::size_t i = 0; i < boxes.size(); ++i) {
        painter.setRenderHint(QPainter::Antialiasing);
        painter.setPen(QPen(l.alarm, 1));
        painter.setBrush(l.card);
        painter.drawRoundedRect(boxes[i].adjusted(0.5, 0.5, -0.5, -0.5), 3, 3);
        painter.drawText(boxes[i], Qt::AlignCenter, q(finding.fixes[i].label));
        end = std::min(end, boxes[i].left() - 8);
    }
    painter.setFont(textFont(13));
    painter.setPen(l.ink);
    const QString where =
        finding.cable ? QString() : q(document_.patch().post(finding.post)->name) + QStringLiteral(": ");
    const QRectF text(44, row.top, end - 44, row.height);
    painter.drawText(text, Qt::AlignVCenter,
                     QFontMetricsF(painter.font()).elidedText(where + q(finding.figure), Qt::ElideRight, text.width()));
}

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
            if (hits[i])
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
        const bool chosen = place.id == post_;
        painter.setPen(QPen(chosen ? l.accent : l.line, chosen ? 4 : 3));
        painter.drawLine(QPointF(place.x, place.head.bottom()), QPointF(place.x, rowsTop()));
    }
    for (const ChartPost& place : layout_.posts) {
        const Post& post = *document_.patch().post(place.id);
        const PartInfo& part = *document_.library().part(post);
        const bool chosen = place.id == post_;
        painter.setRenderHint(QPainter::Antialiasing);
        painter.setPen(QPen(chosen ? l.accent : l.line, chosen ? 2 : 1));
        painter.setBrush(l.card);
        painter.drawRoundedRect(place.head.adjusted(0.5, 0.5, -0.5, -0.5), 3, 3);
        // A narrow head has its name in the lighter face before it is cut.
        const qreal room = place.head.width() - 4;
        const bool fits = QFontMetricsF(textFont(13, true)).horizontalAdvance(q(post.name)) <= room;
        painter.setFont(textFont(13, fits));
        painter.setPen(findingOf(0, place.id) ? l.alarm : l.ink);
        const QString name = QFontMetricsF(painter.font()).elidedText(q(post.name), Qt::ElideMiddle, room);
        painter.drawText(QRectF(place.head.left(), place.head.top() + 3, place.head.width(), 20),
                         Qt::AlignHCenter | Qt::AlignVCenter, name);
        if (const Pattern* pattern = document_.patch().pattern(post.id))
            paintPattern(painter, *pattern, place.head.adjusted(8, 25, -8, -8));
        const auto knobs = static_cast<qreal>(part.mainKnobs.size());
        const qreal spacing = std::min(27.0, place.head.width() / std::max(1.0, knobs));
        qreal x = place.head.center().x() - spacing * (knobs - 1) / 2;
        for (const std::string& id : part.mainKnobs) {
            const KnobInfo& knob = *part.knob(id);
            drawDial(painter, {x, place.head.top() + 39}, std::min(10.5, spacing / 2 - 1.5),
                     knob.scale.toFraction(knobValue(post, knob)), l.ink, l.card);
            x += spacing;
        }
    }
    painter.restore();
}

void Chart::paintDrag(QPainter& painter) {
    if (drag_ == Drag::None || (dragAt_ - dragStart_).manhattanLength() < 6) return;
    const Look& l = look();
    painter.setRenderHint(QPainter::Antialiasing);
    painter.setPen(QPen(l.accent, 2, Qt::DashLine));
    if (drag_ == Drag::Tie) {
        const ChartPost* from = layout_.post(dragPost_);
        const ChartPost* to = layout_.postNear(toContent(dragAt_).x(), 2 * kReach);
        const qreal offset = horizontalScrollBar()->value();
        painter.drawLine(QPointF(from->x - offset, dragStart_.y()),
                         QPointF(to ? to->x - offset : dragAt_.x(), dragStart_.y()));
        painter.setFont(textFont(13, true));
        const QString text = to && to->id != dragPost_ ? tr("to %1").arg(q(document_.patch().post(to->id)->name))
                                                       : tr("to another post");
        QRectF box =
            painter.boundingRect(QRectF(dragAt_.x() + 12, dragStart_.y() - 28, 400, 22), Qt::AlignVCenter, text);
        box.moveRight(std::min<qreal>(box.right(), viewport()->width() - 12));
        painter.fillRect(box.adjusted(-6, -2, 6, 2), l.panel);
        painter.setPen(l.accent);
        painter.drawText(box, Qt::AlignVCenter, text);
    } else if (drag_ == Drag::Row) {
        painter.drawLine(0, dragAt_.y(), viewport()->width(), dragAt_.y());
    } else {
        painter.drawLine(dragAt_.x(), 0, dragAt_.x(), static_cast<int>(rowsTop()));
    }
}

void Chart::paintEmpty(QPainter& painter) {
    painter.setFont(textFont(15));
    painter.setPen(look().softInk);
    painter.drawText(viewport()->rect().adjusted(60, 60, -60, -60), Qt::AlignCenter | Qt::TextWordWrap,
                     tr("This patch is empty. Take a first part from the case (Patch menu, Add from the case), or open "
                        "a patch with Ctrl+O."));
}

} // namespace lariat
