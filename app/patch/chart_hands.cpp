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
    if (with.testFlag(Qt::ControlModifier) && cable_) {
        alsoSelect(cable);
    } else if (with.testFlag(Qt::ShiftModifier) && cable_) {
        const int from = document_.patch().row(cable_);
        const int to = document_.patch().row(cable);
        also_.clear();
        for (int row = std::min(from, to); row <= std::max(from, to); ++row)
            also_.insert(document_.patch().cables[static_cast<std::size_t>(row - 1)].id);
        also_.erase(cable_);
        redraw();
        Q_EMIT selectionChanged();
    } else {
        selectCable(cable);
    }
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
        const Heading* old = document_.patch().heading(row->voice, row->step);
        Heading style = old ? *old : Heading{row->voice, row->step};
        style.folded = !style.folded;
        document_.apply({StyleHeading{style}},
                        style.folded ? tr("fold %1").arg(row->heading) : tr("unfold %1").arg(row->heading));
        return;
    }
    if (row && row->kind == ChartRow::Kind::Finding) {
        const Finding finding = checker_.findings()[row->finding];
        const int fix = fixUnder(*row, dragStart_);
        finding.cable ? selectCable(finding.cable) : selectPost(finding.post);
        if (fix >= 0) Q_EMIT fixRequested(finding, static_cast<std::size_t>(fix));
        return;
    }
    const ChartPost* post = layout_.postNear(at.x(), ChartLayout::kReach);
    // The ends of the row that is chosen already can be drawn elsewhere.
    if (row && row->cable && row->cable == cable_ && post && event->modifiers() == Qt::NoModifier &&
        (post->id == row->from.post || post->id == row->to.post)) {
        drag_ = post->id == row->to.post ? Drag::Target : Drag::Source;
        dragPost_ = post->id;
        return;
    }
    if (row && row->cable) select(row->cable, event->modifiers());
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
            Q_EMIT moveRequested(cable_, drag == Drag::Source, target->id, viewport()->mapToGlobal(dragAt_));
        break;
    case Drag::Row: {
        const int from = document_.patch().row(cable_);
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
        Q_EMIT menuRequested(viewport()->mapToGlobal(pointOn(post_, cable_)));
        return;
    }
    const ChartRow* row = at.y() > rowsTop() ? layout_.rowAt(toContent(at).y()) : nullptr;
    if (row && row->kind == ChartRow::Kind::Heading) {
        Q_EMIT headingMenuRequested(row->voice, row->step, event->globalPos());
        return;
    }
    if (row && row->cable && !isChosen(row->cable)) selectCable(row->cable);
    for (const ChartPost& post : layout_.posts)
        if (at.y() < rowsTop() && post.head.contains(QPointF(toContent(at).x(), at.y()))) selectPost(post.id);
    Q_EMIT menuRequested(event->globalPos());
}

void Chart::keyPressEvent(QKeyEvent* event) {
    std::vector<int> rows; // as they stand on the chart
    for (const ChartRow& row : layout_.rows)
        if (row.kind == ChartRow::Kind::Cable) rows.push_back(row.cable);
    const auto here = std::ranges::find(rows, cable_) - rows.begin();
    const auto go = [&](std::ptrdiff_t place) {
        if (place < 0 || place >= std::ssize(rows)) return;
        const int cable = rows[static_cast<std::size_t>(place)];
        if (!event->modifiers().testFlag(Qt::ShiftModifier)) {
            selectCable(cable);
            return;
        }
        also_.insert(cable_);
        also_.erase(cable);
        cable_ = cable;
        ensureVisible(cable);
        redraw();
        Q_EMIT selectionChanged();
    };
    const bool none = here == std::ssize(rows);
    switch (event->key()) {
    case Qt::Key_Up:
        go(none ? std::ssize(rows) - 1 : here - 1);
        break;
    case Qt::Key_Down:
        go(none ? 0 : here + 1);
        break;
    case Qt::Key_Home:
        go(0);
        break;
    case Qt::Key_End:
        go(std::ssize(rows) - 1);
        break;
    case Qt::Key_Left:
    case Qt::Key_Right: {
        const auto it = std::ranges::find(layout_.posts, post_, &ChartPost::id);
        const auto place = it - layout_.posts.begin() + (event->key() == Qt::Key_Right ? 1 : -1);
        if (place >= 0 && place < std::ssize(layout_.posts))
            selectPost(layout_.posts[static_cast<std::size_t>(place)].id);
        break;
    }
    default:
        QAbstractScrollArea::keyPressEvent(event);
        return;
    }
    event->accept();
}

} // namespace lariat
