// What the hand does on the chart: choosing, tying, moving ends, rows and posts, by mouse and by keyboard.
#include "patch/chart.h"

#include "look/text.h"

#include <QContextMenuEvent>
#include <QKeyEvent>
#include <QMouseEvent>
#include <QScrollBar>
#include <QWheelEvent>

#include <algorithm>

namespace lariat {
namespace {

constexpr int kDragStarts = 6; ///< pixels
constexpr qreal kZoomStep = 1.15;

} // namespace

void Chart::select(int cable, Qt::KeyboardModifiers with) {
    if (with.testFlag(Qt::ControlModifier) && selection_.cable())
        selection_.alsoChoose(cable);
    else if (with.testFlag(Qt::ShiftModifier) && selection_.cable())
        selection_.chooseUpTo(cable);
    else
        selection_.chooseCable(cable);
}

void Chart::mousePressEvent(QMouseEvent* event) {
    underHand_ = true;
    press(*event);
    underHand_ = false;
}

void Chart::press(QMouseEvent& event) {
    heading_.reset();
    if (event.button() != Qt::LeftButton) return;
    dragStart_ = dragAt_ = event.position().toPoint();
    const QPointF at = toContent(dragStart_);
    if (dragStart_.y() < rowsTop()) {
        for (const ChartPost& post : layout_.posts)
            if (post.head.contains(QPointF(at.x(), dragStart_.y()))) {
                selection_.choosePost(post.id);
                drag_ = Drag::Head;
                dragPost_ = post.id;
            }
        return;
    }
    const ChartRow* row = layout_.rowAt(at.y());
    if (row && row->kind == ChartRow::Kind::Heading) {
        fold(*row);
        return;
    }
    if (row && row->kind == ChartRow::Kind::Finding) {
        const Finding finding = checker_.findings()[row->finding];
        const int fix = fixUnder(*row, dragStart_);
        finding.cable ? selection_.chooseCable(finding.cable) : selection_.choosePost(finding.post);
        if (fix >= 0) Q_EMIT fixRequested(finding, static_cast<std::size_t>(fix));
        return;
    }
    if (row && row->kind == ChartRow::Kind::Open) {
        selection_.chooseJack(row->from.post.empty() ? row->to : row->from);
        return;
    }
    const ChartPost* post = layout_.postNear(at.x(), ChartLayout::kReach);
    // The ends of the row that is chosen already can be drawn elsewhere.
    if (row && row->cable && row->cable == selection_.cable() && post && event.modifiers() == Qt::NoModifier &&
        (post->id == row->from.post || post->id == row->to.post)) {
        drag_ = post->id == row->to.post ? Drag::Target : Drag::Source;
        dragPost_ = post->id;
        return;
    }
    if (row && row->cable) select(row->cable, event.modifiers());
    if (dragStart_.x() < ChartLayout::kGutter && row && row->cable) {
        drag_ = Drag::Row;
    } else if (post) {
        drag_ = Drag::Tie;
        dragPost_ = post->id;
    }
}

void Chart::mouseMoveEvent(QMouseEvent* event) {
    hover_ = dragAt_ = event->position().toPoint();
    if (drag_ == Drag::None) {
        const ChartRow* row = dragAt_.y() > rowsTop() ? layout_.rowAt(toContent(dragAt_).y()) : nullptr;
        const bool overPost = dragAt_.y() > rowsTop() && layout_.postNear(toContent(dragAt_).x(), ChartLayout::kReach);
        const int fix = row && row->kind == ChartRow::Kind::Finding ? fixUnder(*row, dragAt_) : -1;
        viewport()->setCursor(fix >= 0 ? Qt::PointingHandCursor : overPost ? Qt::CrossCursor : Qt::ArrowCursor);
        if (fix >= 0)
            setPreview(checker_.findings()[row->finding].fixes[static_cast<std::size_t>(fix)].edits);
        else if (!preview_.empty())
            setPreview({});
    }
    viewport()->update();
}

void Chart::leaveEvent(QEvent* event) {
    hover_ = {-1, -1};
    setPreview({});
    QAbstractScrollArea::leaveEvent(event);
}

void Chart::mouseReleaseEvent(QMouseEvent* event) {
    const Drag drag = drag_;
    drag_ = Drag::None;
    dragAt_ = event->position().toPoint();
    viewport()->update();
    if ((dragAt_ - dragStart_).manhattanLength() < kDragStarts) return;
    const QPointF at = toContent(dragAt_);
    const ChartPost* target = layout_.postNear(at.x(), 2 * ChartLayout::kReach);
    switch (drag) {
    case Drag::Tie:
        if (target && target->id != dragPost_)
            Q_EMIT tieRequested(dragPost_, target->id, viewport()->mapToGlobal(dragAt_));
        break;
    case Drag::Source:
    case Drag::Target:
        if (target && target->id != dragPost_)
            Q_EMIT moveRequested(selection_.cable(), drag == Drag::Source, target->id,
                                 viewport()->mapToGlobal(dragAt_));
        break;
    case Drag::Row: {
        const int from = document_.patch().row(selection_.cable());
        const int to = document_.patch().row(rowUnder(dragAt_));
        if (to > 0 && to != from) moveSelected(to - from);
        break;
    }
    case Drag::Head: {
        int place = 0;
        for (const ChartPost& post : layout_.posts)
            if (post.id != dragPost_ && post.x < at.x()) ++place;
        document_.apply({ReorderPost{dragPost_, place}}, tr("move a post"));
        break;
    }
    case Drag::None:
        break;
    }
}

void Chart::wheelEvent(QWheelEvent* event) {
    if (!event->modifiers().testFlag(Qt::ControlModifier)) {
        QAbstractScrollArea::wheelEvent(event);
        return;
    }
    setZoom(view_.zoom * (event->angleDelta().y() > 0 ? kZoomStep : 1.0 / kZoomStep));
    event->accept();
}

void Chart::contextMenuEvent(QContextMenuEvent* event) {
    const QPoint at = event->pos();
    if (event->reason() == QContextMenuEvent::Keyboard) {
        Q_EMIT menuRequested(viewport()->mapToGlobal(pointOn(selection_.post(), selection_.cable())));
        return;
    }
    const ChartRow* row = at.y() > rowsTop() ? layout_.rowAt(toContent(at).y()) : nullptr;
    if (row && row->kind == ChartRow::Kind::Heading) {
        Q_EMIT headingMenuRequested(row->voice, row->step, event->globalPos());
        return;
    }
    if (row && row->cable && !selection_.has(row->cable)) selection_.chooseCable(row->cable);
    for (const ChartPost& post : layout_.posts)
        if (at.y() < rowsTop() && post.head.contains(QPointF(toContent(at).x(), at.y())))
            selection_.choosePost(post.id);
    Q_EMIT menuRequested(event->globalPos());
}

/// Folds or unfolds. The row is gone when this returns.
void Chart::fold(const ChartRow& row) {
    const Heading* old = document_.patch().heading(row.voice, row.step);
    Heading style = old ? *old : Heading{row.voice, row.step};
    style.folded = !style.folded;
    document_.apply({StyleHeading{style}},
                    style.folded ? tr("fold %1").arg(row.heading) : tr("unfold %1").arg(row.heading));
}

void Chart::keyPressEvent(QKeyEvent* event) {
    // What the keyboard goes over, as it stands on the chart: rows, and the headings of those that are hidden.
    std::vector<const ChartRow*> rows;
    for (const ChartRow& row : layout_.rows)
        if (row.kind == ChartRow::Kind::Cable || (row.kind == ChartRow::Kind::Heading && row.folded))
            rows.push_back(&row);
    const auto here = std::ranges::find_if(rows,
                                           [&](const ChartRow* row) {
                                               return heading_ ? isKeyed(*row)
                                                               : row->kind == ChartRow::Kind::Cable &&
                                                                     row->cable == selection_.cable();
                                           }) -
                      rows.begin();
    const auto go = [&](std::ptrdiff_t place) {
        if (place < 0 || place >= std::ssize(rows)) return;
        const ChartRow& row = *rows[static_cast<std::size_t>(place)];
        if (row.kind == ChartRow::Kind::Heading) {
            heading_ = std::pair(row.voice, row.step);
            QScrollBar* bar = verticalScrollBar();
            bar->setValue(std::clamp(bar->value(), static_cast<int>(row.top + row.height) - bar->pageStep(),
                                     static_cast<int>(row.top)));
            redraw();
            return;
        }
        heading_.reset();
        redraw();
        event->modifiers().testFlag(Qt::ShiftModifier) ? selection_.goOnTo(row.cable)
                                                       : selection_.chooseCable(row.cable);
    };
    const bool none = here == std::ssize(rows);
    switch (event->key()) {
    case Qt::Key_Up:
        go(none ? std::ssize(rows) - 1 : here - 1);
        break;
    case Qt::Key_Down:
        go(none ? 0 : here + 1);
        break;
    case Qt::Key_Return:
    case Qt::Key_Enter:
        if (!heading_ || none) {
            QAbstractScrollArea::keyPressEvent(event);
            return;
        }
        fold(*rows[static_cast<std::size_t>(here)]);
        break;
    case Qt::Key_Home:
        go(0);
        break;
    case Qt::Key_End:
        go(std::ssize(rows) - 1);
        break;
    case Qt::Key_Left:
    case Qt::Key_Right: {
        const auto it = std::ranges::find(layout_.posts, selection_.post(), &ChartPost::id);
        const auto place = it - layout_.posts.begin() + (event->key() == Qt::Key_Right ? 1 : -1);
        if (place >= 0 && place < std::ssize(layout_.posts))
            selection_.choosePost(layout_.posts[static_cast<std::size_t>(place)].id);
        break;
    }
    default:
        QAbstractScrollArea::keyPressEvent(event);
        return;
    }
    event->accept();
}

} // namespace lariat
