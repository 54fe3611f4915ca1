#include "time/time_chart.h"

#include "look/fonts.h"
#include "look/text.h"
#include "model/pattern_text.h"
#include "shell/theme.h"
#include "units/pitch.h"
#include "widgets/frames.h"

#include <QAccessible>
#include <QEvent>
#include <QHelpEvent>
#include <QKeyEvent>
#include <QMouseEvent>
#include <QPainter>
#include <QScrollBar>
#include <QToolTip>

#include <algorithm>
#include <cmath>

namespace lariat {
namespace {

constexpr int kAround = 2; ///< semitones shown above and below what is written
constexpr int kFewestShown = 12;

} // namespace

TimeChart::TimeChart(const Session& session, LineEditor& editor, Responder& responder, QWidget* parent)
    : QAbstractScrollArea(parent), session_(session), editor_(editor), responder_(responder) {
    setObjectName(QStringLiteral("time-chart"));
    setFocusPolicy(Qt::StrongFocus);
    setFrameShape(QFrame::NoFrame);
    setAccessibleName(tr("Steps and what they cause"));
    viewport()->setMouseTracking(true);
    viewport()->setAcceptDrops(true);
    connect(&session_.document, &Document::replaced, this, [this] {
        pass_.clear();
        marked_.clear();
        drag_ = Drag::None;
        zoom_ = 1.0;
    });
    connect(&session_.document, &Document::changed, this, &TimeChart::relayout);
    connect(&session_.selection, &Selection::changed, this, [this] {
        sayWhatIsChosen();
        redraw();
    });
    connect(&responder_, &Responder::changed, this, &TimeChart::relayout);
    connect(&responder_, &Responder::forecastChanged, this, &TimeChart::relayout); // and the clocks
    connect(&editor_, &LineEditor::variationShown, this, &TimeChart::relayout);
    connect(&frames_, &QTimer::timeout, this, &TimeChart::tick);
    relayout();
}

void TimeChart::relayout() {
    TimeView view;
    view.width = viewport()->width();
    view.zoom = zoom_;
    view.variation = [this](const std::string& post) { return editor_.shown(post); };
    view.pass = [this](const std::string& post) {
        const auto found = pass_.find(post);
        return found == pass_.end() ? 0L : found->second;
    };
    view.responses = [this](const std::string& post) { return responder_.of(post); };
    view.clocks = static_cast<int>(responder_.clocks().branches.size());
    view.factsHeight = [](const std::vector<Fact>& facts) {
        const QFontMetricsF metrics(textFont(13));
        qreal height = 0;
        for (const Fact& fact : facts)
            height += metrics.boundingRect(QRectF(0, 0, TimeLayout::kHead - 44, 200), Qt::TextWordWrap, said(fact.text))
                          .height() +
                      2;
        return height;
    };
    layout_ = layOutTime(session_.document.patch(), session_.document.library(), view);
    horizontalScrollBar()->setRange(0, std::max(0, static_cast<int>(layout_.width) - viewport()->width()));
    horizontalScrollBar()->setPageStep(viewport()->width());
    verticalScrollBar()->setRange(0, std::max(0, static_cast<int>(layout_.height) - viewport()->height()));
    verticalScrollBar()->setPageStep(viewport()->height());
    verticalScrollBar()->setSingleStep(24);
    redraw();
    Q_EMIT viewChanged();
}

void TimeChart::redraw() {
    stale_ = true;
    viewport()->update();
}

void TimeChart::focusInEvent(QFocusEvent* event) {
    QAbstractScrollArea::focusInEvent(event);
    redraw();
}

void TimeChart::focusOutEvent(QFocusEvent* event) {
    QAbstractScrollArea::focusOutEvent(event);
    redraw();
}

void TimeChart::setZoom(qreal zoom) {
    zoom_ = std::clamp(zoom, 1.0, 8.0);
    relayout();
}

void TimeChart::turnPage(const std::string& post, long by) {
    for (const TimeSection& section : layout_.sections)
        if (section.sequencer.post == post) pass_[post] = std::clamp(section.pass + by, 0L, section.passes - 1);
    relayout();
}

void TimeChart::mark(const LineRef& line, std::set<int> steps) {
    markedLine_ = line;
    marked_ = std::move(steps);
    redraw();
}

void TimeChart::reveal(const LineRef& line) {
    const TimeRow* row = layout_.rowOf(line);
    if (!row) return;
    const int top = static_cast<int>(row->top);
    const int bottom = static_cast<int>(row->bottom());
    QScrollBar* bar = verticalScrollBar();
    if (top < bar->value()) bar->setValue(top);
    if (bottom > bar->value() + viewport()->height()) bar->setValue(bottom - viewport()->height());
}

QPointF TimeChart::toContent(const QPointF& point) const {
    return point + QPointF(horizontalScrollBar()->value(), verticalScrollBar()->value());
}

QRectF TimeChart::toView(const QRectF& box) const {
    return box.translated(-horizontalScrollBar()->value(), -verticalScrollBar()->value());
}

const Track* TimeChart::trackOf(const TimeRow& row) const {
    const Pattern* pattern = session_.document.patch().pattern(row.line.post);
    if (!pattern || row.kind != TimeRow::Kind::Track) return nullptr;
    const auto& tracks = pattern->tracksOf(layout_.sectionOf(row).variation);
    return row.line.index < static_cast<int>(tracks.size()) ? &tracks[static_cast<std::size_t>(row.line.index)]
                                                            : nullptr;
}

const Lane* TimeChart::laneOf(const TimeRow& row) const {
    const Pattern* pattern = session_.document.patch().pattern(row.line.post);
    if (!pattern || row.kind != TimeRow::Kind::Lane) return nullptr;
    const auto& lanes = pattern->lanesOf(layout_.sectionOf(row).variation);
    return row.line.index < static_cast<int>(lanes.size()) ? &lanes[static_cast<std::size_t>(row.line.index)] : nullptr;
}

std::vector<StepBox> TimeChart::boxesOf(const TimeRow& row) const {
    const TimeSection& section = layout_.sectionOf(row);
    if (const Track* track = trackOf(row))
        return stepsOnPage(section, track->stride, static_cast<int>(track->steps.size()));
    if (const Lane* lane = laneOf(row)) return stepsOnPage(section, lane->stride, static_cast<int>(lane->hits.size()));
    // A line that is not written yet has sixteen free places; knobs have as many as their length says.
    constexpr int kFree = 16;
    if (row.kind == TimeRow::Kind::Faders || row.kind == TimeRow::Kind::Fill) {
        const Post& post = *session_.document.patch().post(row.line.post);
        const std::vector<int> steps = knobSteps(post, *session_.document.library().part(post));
        if (!steps.empty()) return stepsOnPage(section, steps);
    }
    return stepsOnPage(section, Stride{}, kFree);
}

std::optional<StepBox> TimeChart::boxAt(const TimeRow& row, qreal x) const {
    if (x < TimeLayout::kHead + horizontalScrollBar()->value()) return std::nullopt;
    const double pulse = TimeLayout::pulseAt(layout_.sectionOf(row), x);
    for (const StepBox& box : boxesOf(row))
        if (pulse >= box.from && pulse < box.to) return box;
    return std::nullopt;
}

TimeChart::Range TimeChart::rangeOf(const TimeRow& row, const Track& track) const {
    if (held_ && row.line == dragLine_) return *held_;
    int low = 127;
    int high = 0;
    for (const Step& step : track.steps)
        if (step.kind == Step::Kind::Note) {
            low = std::min(low, step.note);
            high = std::max(high, step.note);
        }
    if (low > high) low = high = 60;
    low -= kAround;
    high += kAround;
    while (high - low < kFewestShown) (high - low) % 2 == 0 ? ++high : --low;
    return {low, high};
}

qreal TimeChart::noteY(const TimeRow& row, const Range& range, int note) const {
    const qreal part = static_cast<qreal>(note - range.low) / static_cast<qreal>(range.high - range.low);
    return row.bottom() - 12 - part * (row.height - 34);
}

int TimeChart::noteAtY(const TimeRow& row, const Range& range, qreal y) const {
    const qreal part = (row.bottom() - 12 - y) / (row.height - 34);
    return range.low + static_cast<int>(std::lround(part * (range.high - range.low)));
}

QRectF TimeChart::barOf(const TimeRow& row, const Range& range, const Step& step, const StepBox& box) const {
    const TimeSection& section = layout_.sectionOf(row);
    const double length = box.to - box.from;
    const qreal left = TimeLayout::xOf(section, box.from + step.late * length);
    const qreal open = std::min(step.gate * length, (1.0 - step.late) * length) * section.pulseWidth;
    return {left + 1, noteY(row, range, step.note) - 4, std::max(3.0, open - 2), 8};
}

QRectF TimeChart::stepBox(const LineRef& line, int step) const {
    const TimeRow* row = layout_.rowOf(line);
    if (!row) return {};
    const TimeSection& section = layout_.sectionOf(*row);
    for (const StepBox& box : boxesOf(*row))
        if (box.step == step)
            return toView(
                {TimeLayout::xOf(section, box.from), row->top, (box.to - box.from) * section.pulseWidth, row->height});
    return {};
}

QRectF TimeChart::noteBox(const LineRef& line, int step) const {
    const TimeRow* row = layout_.rowOf(line);
    const Track* track = row ? trackOf(*row) : nullptr;
    if (!track || step >= static_cast<int>(track->steps.size())) return {};
    for (const StepBox& box : boxesOf(*row))
        if (box.step == step)
            return toView(barOf(*row, rangeOf(*row, *track), track->steps[static_cast<std::size_t>(step)], box));
    return {};
}

QPointF TimeChart::noteAt(const LineRef& line, int step, int note) const {
    const TimeRow* row = layout_.rowOf(line);
    if (!row) return {};
    const Track* track = trackOf(*row);
    const Range range = track ? rangeOf(*row, *track) : Range{};
    return {stepBox(line, step).center().x(), toView({0, noteY(*row, range, note), 1, 1}).top()};
}

QRectF TimeChart::variationBox(const std::string& post, int variation) const {
    for (const TimeRow& row : layout_.rows)
        if (row.kind == TimeRow::Kind::Heading && row.line.post == post) {
            const auto boxes = letterBoxes(row);
            return variation < static_cast<int>(boxes.size()) ? toView(boxes[static_cast<std::size_t>(variation)])
                                                              : QRectF();
        }
    return {};
}

QRectF TimeChart::moreBox(const LineRef& line) const {
    for (const TimeRow& row : layout_.rows)
        if (row.kind == TimeRow::Kind::More)
            for (const auto& [box, at] : moreBoxes(row))
                if (at == line) return toView(box);
    return {};
}

QRectF TimeChart::factBox(const std::string& post, std::size_t fact) const {
    for (const TimeRow& row : layout_.rows) {
        const Responses* responses = responder_.of(layout_.sectionOf(row).sequencer.post);
        const auto index = static_cast<std::size_t>(row.index);
        const bool contour = row.kind == TimeRow::Kind::Contour && responses && responses->contours[index].post == post;
        const bool tune = row.kind == TimeRow::Kind::Tune && responses && responses->tunes[index].path.out.post == post;
        if (!contour && !tune) continue;
        const auto boxes = factBoxes(row);
        return fact < boxes.size() ? toView(boxes[fact]) : QRectF();
    }
    return {};
}

/// Letters of the variations under the name of a sequencer.
std::vector<QRectF> TimeChart::letterBoxes(const TimeRow& row) const {
    std::vector<QRectF> out;
    const int count = layout_.sectionOf(row).sequencer.variations;
    if (count < 2) return out;
    const qreal left = 16.0 + horizontalScrollBar()->value();
    for (int v = 0; v < count; ++v) out.push_back({left + 26.0 * v, row.top + 28, 24, 22});
    return out;
}

/// Back and on, where a cycle has several pages.
std::pair<QRectF, QRectF> TimeChart::pageBoxes(const TimeRow& row) const {
    if (layout_.sectionOf(row).passes < 2) return {};
    const qreal right = horizontalScrollBar()->value() + viewport()->width() - 12.0;
    return {QRectF(right - 150, row.top + 4, 24, 22), QRectF(right - 24, row.top + 4, 24, 22)};
}

/// The next track and the next lane that could be written.
std::vector<std::pair<QRectF, LineRef>> TimeChart::moreBoxes(const TimeRow& row) const {
    std::vector<std::pair<QRectF, LineRef>> out;
    const TimeSection& section = layout_.sectionOf(row);
    if (!section.sequencer.plays) return out;
    const Pattern* pattern = session_.document.patch().pattern(section.sequencer.post);
    qreal left = 16.0 + horizontalScrollBar()->value();
    for (const bool lane : {false, true}) {
        int index = 0;
        if (pattern)
            index = static_cast<int>(lane ? pattern->lanesOf(section.variation).size()
                                          : pattern->tracksOf(section.variation).size());
        else
            index = 1; // the first one stands on the page already
        if (index >= (lane ? section.sequencer.lanes : section.sequencer.tracks)) continue;
        out.emplace_back(QRectF(left, row.top + 5, 112, 24), LineRef{section.sequencer.post, lane, index});
        left += 120;
    }
    return out;
}

const std::vector<Fact>* TimeChart::factsOf(const TimeRow& row) const {
    const Responses* responses = responder_.of(layout_.sectionOf(row).sequencer.post);
    if (!responses) return nullptr;
    const auto at = static_cast<std::size_t>(row.index);
    if (row.kind == TimeRow::Kind::Contour && at < responses->contours.size()) return &responses->contours[at].facts;
    if (row.kind == TimeRow::Kind::Tune && at < responses->tunes.size()) return &responses->tunes[at].facts;
    if (row.kind == TimeRow::Kind::Sound && at < responses->sounds.size()) return &responses->sounds[at].facts;
    return nullptr;
}

std::vector<QRectF> TimeChart::factBoxes(const TimeRow& row) const {
    std::vector<QRectF> out;
    const std::vector<Fact>* facts = factsOf(row);
    if (!facts) return out;
    const QFontMetricsF metrics(textFont(13));
    qreal y = row.top + (row.kind == TimeRow::Kind::Sound ? 26 : 44);
    for (const Fact& fact : *facts) {
        const qreal height =
            metrics.boundingRect(QRectF(0, 0, TimeLayout::kHead - 44, 200), Qt::TextWordWrap, said(fact.text)).height();
        out.push_back({32.0 + horizontalScrollBar()->value(), y, TimeLayout::kHead - 44, height});
        y += height + 2;
    }
    return out;
}

int TimeChart::playing(const LineRef& line) const {
    const auto found = told_.find(line.post);
    if (found == told_.end()) return -1;
    const auto sequencer = sequencerOf(session_.document.patch(), session_.document.library(), line.post);
    if (!sequencer) return -1;
    const std::size_t at = toldAt(*sequencer, line);
    return at < found->second.size() ? found->second[at] : -1;
}

std::optional<double> TimeChart::playingPulse(const TimeSection& section) const {
    const Pattern* pattern = session_.document.patch().pattern(section.sequencer.post);
    if (!pattern || section.passes > 1) return std::nullopt;
    for (const SequencerLine& line : section.sequencer.lines) {
        const Stride* stride = strideOf(*pattern, line.at, section.variation);
        const int steps = stepsOf(*pattern, line.at, section.variation);
        if (!stride || stride->direction != Direction::Forward || stride->triplets) continue;
        if (steps * stride->division != section.page) continue;
        const int step = playing(line.at);
        return step < 0 ? std::nullopt : std::optional(static_cast<double>(step * stride->division));
    }
    return std::nullopt;
}

/// The steps that play now move; only what they leave and enter is painted.
void TimeChart::tick() {
    for (const TimeSection& section : layout_.sections) {
        const auto tap = session_.sound.engine().told(section.sequencer.post);
        if (!tap) continue;
        const Told now = tap->read();
        Told& before = told_[section.sequencer.post];
        if (now == before) continue;
        std::vector<std::pair<LineRef, int>> were;
        for (const SequencerLine& line : section.sequencer.lines) were.emplace_back(line.at, playing(line.at));
        before = now;
        for (const auto& [line, step] : were) {
            const int here = playing(line);
            if (here == step) continue;
            const TimeRow* row = layout_.rowOf(line);
            if (!row) continue;
            for (const StepBox& box : boxesOf(*row))
                if (box.step == step || box.step == here)
                    viewport()->update(toView({TimeLayout::xOf(section, box.from), row->top,
                                               (box.to - box.from) * section.pulseWidth, row->height})
                                           .toAlignedRect());
        }
    }
}

QString TimeChart::nameOf(const LineRef& line) const {
    const Pattern* pattern = session_.document.patch().pattern(line.post);
    const int variation = editor_.shown(line.post);
    const auto index = static_cast<std::size_t>(line.index);
    if (pattern && line.lane && index < pattern->lanesOf(variation).size())
        return q(pattern->lanesOf(variation)[index].name);
    if (pattern && !line.lane && index < pattern->tracksOf(variation).size())
        return q(pattern->tracksOf(variation)[index].name);
    return line.lane ? tr("lane %1").arg(line.index + 1) : tr("track %1").arg(line.index + 1);
}

/// What a screen reader is told of the line and the steps that are chosen.
void TimeChart::sayWhatIsChosen() {
    const LineRef& line = editor_.line();
    QString text;
    if (!line.post.empty()) {
        text = nameOf(line);
        if (const Track* track = editor_.track())
            for (const int step : editor_.steps())
                if (step < static_cast<int>(track->steps.size()))
                    text += tr(", step %1: %2")
                                .arg(step + 1)
                                .arg(q(writeStep(track->steps[static_cast<std::size_t>(step)])));
        if (const Lane* lane = editor_.lane())
            for (const int step : editor_.steps())
                if (step < static_cast<int>(lane->hits.size()))
                    text += tr(", step %1: %2")
                                .arg(step + 1)
                                .arg(lane->hits[static_cast<std::size_t>(step)] == Hit::Rest      ? tr("rest")
                                     : lane->hits[static_cast<std::size_t>(step)] == Hit::Accent  ? tr("accented hit")
                                     : lane->hits[static_cast<std::size_t>(step)] == Hit::Unknown ? tr("not known")
                                                                                                  : tr("hit"));
    }
    if (text == accessibleDescription()) return;
    setAccessibleDescription(text);
    QAccessibleEvent event(this, QAccessible::DescriptionChanged);
    QAccessible::updateAccessibility(&event);
}

void TimeChart::resizeEvent(QResizeEvent*) {
    relayout();
}

void TimeChart::showEvent(QShowEvent* event) {
    QAbstractScrollArea::showEvent(event);
    relayout();
    frames_.start(kPageFrame);
}

void TimeChart::hideEvent(QHideEvent* event) {
    frames_.stop();
    QAbstractScrollArea::hideEvent(event);
}

void TimeChart::changeEvent(QEvent* event) {
    if (event->type() == QEvent::PaletteChange || event->type() == QEvent::StyleChange) redraw();
    QAbstractScrollArea::changeEvent(event);
}

void TimeChart::scrollContentsBy(int, int) {
    redraw(); // heads stay where they are, and nothing here can be moved as it is
    Q_EMIT viewChanged();
}

bool TimeChart::viewportEvent(QEvent* event) {
    if (event->type() == QEvent::ToolTip) {
        const auto* help = static_cast<QHelpEvent*>(event);
        const QPointF at = toContent(help->pos());
        const int index = layout_.rowAt(at.y());
        const QString text = index < 0 ? QString() : tip(layout_.rows[static_cast<std::size_t>(index)], at);
        text.isEmpty() ? QToolTip::hideText() : QToolTip::showText(help->globalPos(), text, viewport());
        return true;
    }
    return QAbstractScrollArea::viewportEvent(event);
}

} // namespace lariat
