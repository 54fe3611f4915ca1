#include "patch/chart.h"

#include "library/tie.h"
#include "library/unknowns.h"
#include "look/text.h"
#include "widgets/frames.h"

#include <QAccessible>
#include <QHelpEvent>
#include <QScrollBar>
#include <QToolTip>

#include <algorithm>
#include <cmath>

namespace lariat {
namespace {} // namespace

Chart::Chart(const Session& session, QWidget* parent)
    : QAbstractScrollArea(parent), document_(session.document), sound_(session.sound), checker_(session.checker),
      selection_(session.selection), readings_(session.readings) {
    setFrameShape(QFrame::NoFrame);
    setFocusPolicy(Qt::StrongFocus);
    setAccessibleName(tr("Cable chart"));
    viewport()->setMouseTracking(true);
    connect(&document_, &Document::replaced, this, [this] {
        view_.only.reset();
        drag_ = Drag::None;
        preview_.clear();
        verticalScrollBar()->setValue(0);
    });
    connect(&document_, &Document::changed, this, &Chart::relayout);
    connect(&checker_, &Checker::findingsChanged, this, &Chart::relayout);
    connect(&sound_.listening(), &Listening::changed, this, &Chart::redraw);
    connect(&selection_, &Selection::changed, this, &Chart::showChosen);
    connect(&readings_, &Readings::changed, this, &Chart::repaintRows);
    connect(&frames_, &QTimer::timeout, this, [this] {
        if (isVisible() && !readings_.held()) viewport()->update(liveRegion());
    });
    frames_.start(kScreenFrame);
    empty_ = new EmptyChart(viewport());
    relayout();
}

/// What is shown is measured; a chart that is not seen wants nothing.
void Chart::wantReadings() {
    std::vector<JackRef> sources;
    if (isVisible())
        for (const ChartRow& row : layout_.rows)
            if (row.kind == ChartRow::Kind::Cable) sources.push_back(row.from);
    readings_.want(this, std::move(sources));
}

void Chart::showEvent(QShowEvent* event) {
    QAbstractScrollArea::showEvent(event);
    wantReadings();
}

void Chart::hideEvent(QHideEvent* event) {
    QAbstractScrollArea::hideEvent(event);
    wantReadings();
}

/// Brings what was chosen, here or elsewhere, into sight.
void Chart::showChosen() {
    if (QAccessible::isActive() && selection_.cable())
        for (int index = 0; index < rowCount(); ++index)
            if (rowChosen(index)) {
                QAccessibleEvent event(this, QAccessible::Focus);
                event.setChild(index);
                QAccessible::updateAccessibility(&event);
            }
    if (!underHand_) reveal(selection_.cable(), selection_.post());
    redraw();
}

void Chart::reveal(int cable, const std::string& post) {
    if (cable)
        ensureVisible(cable);
    else if (const ChartPost* place = layout_.post(post))
        showAcross(place->x, place->x);
}

/// The row that the eye is on: the chosen one if it can be seen, else the first one that can; 0 if there is none.
int Chart::anchor() const {
    const qreal top = verticalScrollBar()->value();
    const qreal bottom = top + viewport()->height() - rowsTop();
    const auto seen = [&](const ChartRow* row) { return row && row->top >= top - row->height && row->top < bottom; };
    if (seen(layout_.cableRow(selection_.cable()))) return selection_.cable();
    for (const ChartRow& row : layout_.rows)
        if (row.cable && row.top >= top) return row.cable;
    return 0;
}

void Chart::relayout() {
    const int eye = anchor();
    const ChartRow* before = layout_.cableRow(eye);
    const qreal offset = before ? before->top - verticalScrollBar()->value() : 0.0;
    view_.width = viewport()->width();
    view_.untilRow = document_.untilRow();
    if (view_.only) std::erase_if(*view_.only, [&](int cable) { return !document_.patch().cable(cable); });
    if (view_.only && view_.only->empty()) view_.only.reset();
    layout_ = ChartLayout::of(document_.patch(), sound_.engine().normals(), checker_.findings(), view_);
    const int visible = viewport()->height() - static_cast<int>(rowsTop());
    verticalScrollBar()->setRange(0, std::max(0, static_cast<int>(layout_.contentHeight) + 24 - visible));
    // Findings come and go above it; it stays where it is.
    if (const ChartRow* now = layout_.cableRow(eye)) verticalScrollBar()->setValue(static_cast<int>(now->top - offset));
    verticalScrollBar()->setPageStep(visible);
    verticalScrollBar()->setSingleStep(38);
    const int shown = static_cast<int>(view_.width - ChartLayout::kGutter - ChartLayout::kReadings);
    horizontalScrollBar()->setRange(0, std::max(0, static_cast<int>(layout_.contentWidth) - shown));
    horizontalScrollBar()->setPageStep(shown);
    if (heading_ && std::ranges::none_of(layout_.rows, [&](const ChartRow& row) { return isKeyed(row); }))
        heading_.reset();
    empty_->setVisible(layout_.posts.empty());
    if (layout_.posts.empty()) {
        empty_->adjustSize();
        empty_->move(std::max(16, (viewport()->width() - empty_->width()) / 2), std::max(8, viewport()->height() / 8));
    }
    placeTraces();
    wantReadings();
    redraw();
    Q_EMIT viewChanged();
}

/// Draws the page anew with the next frame.
void Chart::redraw() {
    pageStale_ = true;
    viewport()->update();
}

void Chart::setCompact(bool compact) {
    view_.compact = compact;
    relayout();
}

void Chart::setShowsNormals(bool shown) {
    view_.showNormals = shown;
    relayout();
}

void Chart::setZoom(qreal zoom) {
    view_.zoom = std::clamp(zoom, 0.5, 3.0);
    relayout();
}

void Chart::showOnly(std::optional<std::set<int>> cables) {
    view_.only = std::move(cables);
    verticalScrollBar()->setValue(0);
    relayout();
}

void Chart::setPreview(std::vector<Edit> edits) {
    preview_ = std::move(edits);
    viewport()->update();
}

void Chart::selectAll() {
    std::vector<int> shown;
    for (const ChartRow& row : layout_.rows)
        if (row.kind == ChartRow::Kind::Cable) shown.push_back(row.cable);
    selection_.chooseCables(shown);
}

void Chart::removeSelected() {
    const int row = document_.patch().row(selection_.cable());
    if (row == 0) return;
    std::vector<Edit> edits;
    for (const int cable : selection_.cables()) edits.emplace_back(RemoveCable{cable});
    document_.apply(edits, edits.size() == 1 ? tr("take out cable %1").arg(row)
                                             : tr("take out %1 cables").arg(static_cast<int>(edits.size())));
    const auto& cables = document_.patch().cables;
    if (!cables.empty()) selection_.chooseCable(cables[std::min(static_cast<std::size_t>(row), cables.size()) - 1].id);
}

void Chart::moveSelected(int by) {
    const int row = document_.patch().row(selection_.cable());
    const int target = row + by;
    if (row == 0 || target < 1 || target > static_cast<int>(document_.patch().cables.size())) return;
    const Cable& there = document_.patch().cables[static_cast<std::size_t>(target - 1)];
    // A row that is moved into another group belongs to that group.
    document_.apply(
        {ReorderCable{selection_.cable(), target}, RegroupCable{selection_.cable(), there.voice, there.step}},
        tr("move cable %1 to row %2").arg(row).arg(target));
    ensureVisible(selection_.cable());
}

std::vector<MinMax> Chart::traceOf(int cable) const {
    const Cable* found = document_.patch().cable(cable);
    return found ? readings_.columns(found->from, 200) : std::vector<MinMax>{};
}

QString Chart::readingOf(int cable) const {
    const Cable* found = document_.patch().cable(cable);
    return found ? readings_.text(found->from) : QString();
}

QString Chart::rowText(int index) const {
    const ChartRow& row = layout_.rows.at(static_cast<std::size_t>(index));
    const Patch& patch = document_.patch();
    const auto ends = [&] {
        return tr("%1 to %2")
            .arg(q(tieName(row.from, patch, document_.library())), q(tieName(row.to, patch, document_.library())));
    };
    switch (row.kind) {
    case ChartRow::Kind::Heading:
        return row.folded ? tr("%1, folded").arg(row.heading) : row.heading;
    case ChartRow::Kind::Normal:
        return ends() + QStringLiteral(", ") + tr("behind the panel");
    case ChartRow::Kind::Finding: {
        const Finding& finding = checker_.findings()[row.finding];
        return said(finding.figure) + QStringLiteral(". ") + said(finding.reason);
    }
    case ChartRow::Kind::Open: {
        const auto& ends = patch.openEnds;
        const auto end = std::ranges::find(ends, row.openEnd, &OpenEnd::id);
        return end == ends.end() ? QString() : said(openEndText(*end, patch, document_.library()));
    }
    case ChartRow::Kind::Cable:
        break;
    }
    QStringList parts = {tr("Cable %1").arg(patch.row(row.cable)), ends()};
    if (const QString reading = readings_.text(row.from).trimmed(); !reading.isEmpty()) parts << reading;
    if (const Cable* cable = patch.cable(row.cable); cable && !cable->note.empty()) parts << q(cable->note);
    if (const Finding* finding = findingOf(row.cable, "")) parts << said(finding->figure);
    return parts.join(QStringLiteral(", "));
}

QRect Chart::rowRect(int index) const {
    const ChartRow& row = layout_.rows.at(static_cast<std::size_t>(index));
    const QPoint corner(0, static_cast<int>(rowsTop() + row.top) - verticalScrollBar()->value());
    return {viewport()->mapToGlobal(corner), QSize(viewport()->width(), static_cast<int>(row.height))};
}

bool Chart::rowChosen(int index) const {
    const ChartRow& row = layout_.rows.at(static_cast<std::size_t>(index));
    return row.kind == ChartRow::Kind::Cable && selection_.has(row.cable);
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
    showAcross(std::min(row->fromX, row->toX), std::max(row->fromX, row->toX));
}

/// Scrolls sideways as little as brings both of these into sight, the left one if there is not room for both.
void Chart::showAcross(qreal left, qreal right) {
    QScrollBar* bar = horizontalScrollBar();
    const auto shown = static_cast<int>(view_.width - ChartLayout::kReadings);
    bar->setValue(std::max(bar->value(), static_cast<int>(right + ChartLayout::kWordsLeft) - shown));
    bar->setValue(std::min(bar->value(), static_cast<int>(left - ChartLayout::kGutter - ChartLayout::kWordsLeft)));
}

int Chart::rowUnder(const QPoint& point) const {
    if (point.y() < rowsTop()) return 0;
    const ChartRow* row = layout_.rowAt(toContent(point).y());
    return row ? row->cable : 0;
}

const Finding* Chart::findingOf(int cable, const std::string& post) const {
    for (const Finding& finding : checker_.findings())
        if (isProblem(finding) && (cable ? finding.cable == cable : finding.cable == 0 && finding.post == post))
            return &finding;
    return nullptr;
}

void Chart::resizeEvent(QResizeEvent* event) {
    QAbstractScrollArea::resizeEvent(event);
    relayout();
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
            if (const QString reading = readings_.wholeText(found->from); !reading.isEmpty())
                text += QLatin1Char('\n') + reading;
            if (const Finding* finding = findingOf(cable, "")) text += QLatin1Char('\n') + said(finding->reason);
        }
        for (const ChartPost& post : layout_.posts)
            if (help->pos().y() < rowsTop() &&
                post.head.contains(QPointF(toContent(help->pos()).x(), help->pos().y()))) {
                const Post& shown = *document_.patch().post(post.id);
                text = q(shown.name);
                if (!shown.note.empty()) text += QLatin1Char('\n') + q(shown.note);
            }
        QToolTip::showText(help->globalPos(), text, viewport());
        return true;
    }
    return QAbstractScrollArea::viewportEvent(event);
}

void Chart::scrollContentsBy(int, int) {
    redraw();
    Q_EMIT viewChanged();
}

void Chart::changeEvent(QEvent* event) {
    QAbstractScrollArea::changeEvent(event);
    if (event->type() == QEvent::PaletteChange) redraw();
}

int Chart::fixUnder(const ChartRow& row, const QPoint& point) const {
    const std::vector<QRectF> boxes = fixBoxes(row);
    const QPointF at(point.x(), toContent(point).y());
    const auto it = std::ranges::find_if(boxes, [&](const QRectF& box) { return box.contains(at); });
    return it == boxes.end() ? -1 : static_cast<int>(it - boxes.begin());
}

} // namespace lariat
