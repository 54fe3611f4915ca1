// What mouse and keys do in the Time chart.
#include "look/text.h"
#include "time/time_chart.h"
#include "units/pitch.h"

#include <QContextMenuEvent>
#include <QDropEvent>
#include <QKeyEvent>
#include <QMimeData>
#include <QMouseEvent>
#include <QScrollBar>

#include <algorithm>
#include <cmath>

namespace lariat {
namespace {

constexpr qreal kGateGrip = 6; ///< pixels at the end of a note that take hold of its gate
constexpr qreal kZoomStep = 1.25;
constexpr double kSmallestGate = 0.05;

} // namespace

void TimeChart::mousePressEvent(QMouseEvent* event) {
    setFocus(Qt::MouseFocusReason);
    if (event->button() != Qt::LeftButton) return;
    const QPointF at = toContent(event->position());
    const int index = layout_.rowAt(at.y());
    if (index >= 0) press(layout_.rows[static_cast<std::size_t>(index)], at, event->modifiers());
}

void TimeChart::press(const TimeRow& row, const QPointF& at, Qt::KeyboardModifiers with) {
    const std::string post = layout_.sectionOf(row).sequencer.post;
    if (row.kind == TimeRow::Kind::Heading) {
        const auto letters = letterBoxes(row);
        for (int v = 0; v < static_cast<int>(letters.size()); ++v)
            if (letters[static_cast<std::size_t>(v)].contains(at))
                return with.testFlag(Qt::ControlModifier) ? editor_.showVariation(post, v)
                                                          : editor_.playVariation(post, v);
        const auto [back, on] = pageBoxes(row);
        if (back.contains(at)) return turnPage(post, -1);
        if (on.contains(at)) return turnPage(post, 1);
        if (at.x() < TimeLayout::kHead + horizontalScrollBar()->value()) session_.selection.choosePost(post);
        return;
    }
    if (row.kind == TimeRow::Kind::More) {
        for (const auto& [box, line] : moreBoxes(row))
            if (box.contains(at)) {
                const LineRef made = line;
                editor_.change(post,
                               made.lane ? tr("write lane %1").arg(made.index + 1)
                                         : tr("write track %1").arg(made.index + 1),
                               [&](Pattern& pattern) {
                                   if (made.lane)
                                       laneAt(pattern, editor_.shown(post), made.index);
                                   else
                                       trackAt(pattern, editor_.shown(post), made.index);
                               });
                editor_.choose(made, {0});
                return;
            }
        return;
    }
    if (!row.isLine()) {
        const auto boxes = factBoxes(row);
        const std::vector<Fact>* facts = factsOf(row);
        for (std::size_t i = 0; i < boxes.size(); ++i)
            if (boxes[i].contains(at)) return mark(row.line, (*facts)[i].steps);
        // A response leads to the post that makes it.
        const Responses* responses = responder_.of(post);
        const auto index = static_cast<std::size_t>(row.index);
        if (!responses || at.x() >= TimeLayout::kHead + horizontalScrollBar()->value()) return;
        if (row.kind == TimeRow::Kind::Contour) session_.selection.choosePost(responses->contours[index].post);
        if (row.kind == TimeRow::Kind::Tune) session_.selection.choosePost(responses->tunes[index].path.out.post);
        return;
    }
    const auto box = boxAt(row, at.x());
    dragLine_ = row.line;
    dragName_ = QStringLiteral("time-%1").arg(++dragCount_);
    if (!box) {
        editor_.choose(row.line, {});
        return;
    }
    dragStep_ = dragLast_ = box->step;
    const bool more = with.testFlag(Qt::ShiftModifier) || with.testFlag(Qt::ControlModifier);
    if (more && editor_.line() == row.line) {
        std::set<int> chosen = editor_.steps();
        if (with.testFlag(Qt::ControlModifier)) {
            if (!chosen.erase(box->step)) chosen.insert(box->step);
        } else {
            const int from = anchor_ >= 0 ? anchor_ : editor_.cursor();
            chosen.clear();
            for (int step = std::min(from, box->step); step <= std::max(from, box->step); ++step) chosen.insert(step);
        }
        editor_.choose(row.line, chosen);
        drag_ = Drag::Choose;
        return;
    }
    anchor_ = box->step;
    // What was chosen as a whole is dragged as a whole.
    const bool keeps = editor_.line() == row.line && editor_.steps().size() > 1 && editor_.steps().contains(box->step);
    if (!keeps) editor_.choose(row.line, {box->step});
    if (with.testFlag(Qt::ShiftModifier)) {
        drag_ = Drag::Choose;
        return;
    }
    switch (row.kind) {
    case TimeRow::Kind::Track:
        pressTrack(row, *box, at, with);
        break;
    case TimeRow::Kind::Lane:
        pressLane(*box, with);
        break;
    case TimeRow::Kind::Faders:
        dragStep_ = box->step;
        if (isFaderEnd(row, *box, at.x())) {
            drag_ = Drag::FaderEnd; // by the scale that it is taken hold of: a longer step makes the page longer
            faderLeft_ = TimeLayout::xOf(layout_.sectionOf(row), box->from);
            faderPulse_ = layout_.sectionOf(row).pulseWidth;
            break;
        }
        drag_ = Drag::Fader;
        setFader(row, *box, at.y());
        break;
    default:
        drag_ = Drag::None;
    }
}

void TimeChart::pressTrack(const TimeRow& row, const StepBox& box, const QPointF& at, Qt::KeyboardModifiers with) {
    const Track* track = trackOf(row);
    const Range range = track ? rangeOf(row, *track) : Range{};
    const Step now = track ? track->steps[static_cast<std::size_t>(box.step)] : Step{};
    if (now.kind == Step::Kind::Note) {
        const QRectF bar = barOf(row, range, now, box).adjusted(-2, -8, kGateGrip, 6);
        if (bar.contains(at)) {
            const QRectF exact = barOf(row, range, now, box);
            drag_ = at.x() > exact.right() - kGateGrip && exact.width() > kGateGrip ? Drag::Gate : Drag::Pitch;
            held_ = range;
            return;
        }
    }
    held_ = range;
    // A free place: a note is written there, along the key unless Alt says otherwise.
    int note = noteAtY(row, range, at.y());
    if (const auto key = editor_.key(); key && !with.testFlag(Qt::AltModifier)) note = key->nearest(note);
    note = std::clamp(note, 0, 127);
    editor_.changeTrack(
        tr("write a note"),
        [&](Track& t) {
            Step& step = t.steps[static_cast<std::size_t>(box.step)];
            if (step.kind != Step::Kind::Note) step = Step{.kind = Step::Kind::Note};
            step.note = note;
            step.unknown = false;
        },
        dragName_);
    drag_ = Drag::Pitch;
}

void TimeChart::pressLane(const StepBox& box, Qt::KeyboardModifiers with) {
    const Lane* lane = editor_.lane();
    const Hit now = lane ? lane->hits[static_cast<std::size_t>(box.step)] : Hit::Rest;
    if (with.testFlag(Qt::AltModifier))
        dragHit_ = now == Hit::Accent ? Hit::Hit : Hit::Accent;
    else
        dragHit_ = now == Hit::Rest || now == Hit::Unknown ? Hit::Hit : Hit::Rest;
    drag_ = Drag::Paint;
    editor_.changeLane(
        tr("paint hits"), [&](Lane& l) { l.hits[static_cast<std::size_t>(box.step)] = dragHit_; }, dragName_);
}

void TimeChart::setFader(const TimeRow& row, const StepBox& box, qreal y) {
    const std::string control = "fader-" + std::to_string(box.step + 1);
    const KnobInfo* knob = editor_.knob(row.line.post, control);
    if (!knob) return;
    const qreal part = 0.5 - (y - (row.top + row.height / 2)) / (row.height - 16);
    const Edit turn = SetKnob{row.line.post, knob->id, knob->scale.toValue(std::clamp(part, 0.0, 1.0))};
    session_.document.goOn({turn}, tr("draw volts"), dragName_);
}

/// The last pixels of a step are its end, which sets how many clock pulses it lasts.
bool TimeChart::isFaderEnd(const TimeRow& row, const StepBox& box, qreal x) const {
    constexpr qreal kEnd = 5;
    const auto id = "pulses-" + std::to_string(box.step + 1);
    return editor_.knob(row.line.post, id) && x > TimeLayout::xOf(layout_.sectionOf(row), box.to) - kEnd;
}

void TimeChart::setFaderEnd(const TimeRow& row, qreal x) {
    const std::string control = "pulses-" + std::to_string(dragStep_ + 1);
    const KnobInfo* knob = editor_.knob(row.line.post, control);
    const Post* post = session_.document.patch().post(row.line.post);
    if (!knob || !post) return;
    const double value = std::clamp(std::round((x - faderLeft_) / faderPulse_) - 1.0, knob->scale.min, knob->scale.max);
    if (value != knobValue(*post, *knob))
        session_.document.goOn({SetKnob{row.line.post, knob->id, value}}, tr("make a step longer"), dragName_);
}

void TimeChart::mouseMoveEvent(QMouseEvent* event) {
    const QPointF at = toContent(event->position());
    if (event->buttons().testFlag(Qt::LeftButton) && drag_ != Drag::None) return dragTo(at, event->modifiers());
    // The pointer tells what a press would do.
    const int index = layout_.rowAt(at.y());
    Qt::CursorShape shape = Qt::ArrowCursor;
    if (index >= 0) {
        const TimeRow& row = layout_.rows[static_cast<std::size_t>(index)];
        if (const Track* track = trackOf(row))
            if (const auto box = boxAt(row, at.x())) {
                const Step& step = track->steps[static_cast<std::size_t>(box->step)];
                const QRectF bar = barOf(row, rangeOf(row, *track), step, *box);
                if (step.kind == Step::Kind::Note && bar.adjusted(-2, -8, kGateGrip, 6).contains(at))
                    shape = at.x() > bar.right() - kGateGrip ? Qt::SizeHorCursor : Qt::SizeVerCursor;
            }
        if (row.kind == TimeRow::Kind::Faders)
            if (const auto box = boxAt(row, at.x()); box && isFaderEnd(row, *box, at.x())) shape = Qt::SizeHorCursor;
        if (!row.isLine())
            for (const QRectF& fact : factBoxes(row))
                if (fact.contains(at)) shape = Qt::PointingHandCursor;
    }
    viewport()->setCursor(shape);
}

void TimeChart::dragTo(const QPointF& at, Qt::KeyboardModifiers with) {
    const TimeRow* row = layout_.rowOf(dragLine_);
    if (!row || editor_.line() != dragLine_) return; // the line went, or another one was chosen meanwhile
    const auto box = boxAt(*row, at.x());
    switch (drag_) {
    case Drag::Choose: {
        if (!box) return;
        std::set<int> chosen;
        for (int step = std::min(dragStep_, box->step); step <= std::max(dragStep_, box->step); ++step)
            chosen.insert(step);
        editor_.choose(dragLine_, chosen);
        return;
    }
    case Drag::Paint:
        if (!box) return;
        for (int step = std::min(dragLast_, box->step); step <= std::max(dragLast_, box->step); ++step)
            editor_.changeLane(
                tr("paint hits"),
                [&](Lane& lane) {
                    if (step < static_cast<int>(lane.hits.size())) lane.hits[static_cast<std::size_t>(step)] = dragHit_;
                },
                dragName_);
        dragLast_ = box->step;
        return;
    case Drag::FaderEnd:
        return setFaderEnd(*row, at.x());
    case Drag::Fader:
        if (box) setFader(*row, *box, at.y());
        return;
    case Drag::Gate: {
        const TimeSection& section = layout_.sectionOf(*row);
        for (const StepBox& one : boxesOf(*row)) {
            if (one.step != dragStep_ || one.again) continue;
            const double part = (TimeLayout::pulseAt(section, at.x()) - one.from) / (one.to - one.from);
            const double gate = std::clamp(std::round(50.0 * part) / 50.0, kSmallestGate, 1.0);
            const std::set<int> chosen = editor_.steps();
            editor_.changeTrack(
                tr("change the gate"),
                [&](Track& track) {
                    for (const int step : chosen)
                        if (step < static_cast<int>(track.steps.size()))
                            track.steps[static_cast<std::size_t>(step)].gate = gate;
                },
                dragName_);
            return;
        }
        return;
    }
    case Drag::Pitch: {
        const Track* track = trackOf(*row);
        if (!track || dragStep_ >= static_cast<int>(track->steps.size())) return;
        // The scale under the hand may not move while it is dragged: what is beyond its ends is reached by going on.
        int note = std::clamp(noteAtY(*row, rangeOf(*row, *track), at.y()), 0, 127);
        const auto key = editor_.key();
        if (key && !with.testFlag(Qt::AltModifier)) note = key->nearest(note);
        const int by = note - track->steps[static_cast<std::size_t>(dragStep_)].note;
        if (by == 0) return;
        const std::set<int> chosen = editor_.steps();
        editor_.changeTrack(
            tr("move notes"),
            [&](Track& t) {
                t.steps = transposed(std::move(t.steps), chosen, by);
                t.steps[static_cast<std::size_t>(dragStep_)].unknown = false; // it is known under the hand
            },
            dragName_);
        return;
    }
    case Drag::None:
        return;
    }
}

void TimeChart::mouseReleaseEvent(QMouseEvent*) {
    drag_ = Drag::None;
    if (!held_) return;
    held_.reset();
    redraw();
}

/// A note becomes a rest, and a rest of faders is merged with the step before.
void TimeChart::mouseDoubleClickEvent(QMouseEvent* event) {
    const QPointF at = toContent(event->position());
    const int index = layout_.rowAt(at.y());
    if (index < 0 || event->button() != Qt::LeftButton) return;
    const TimeRow& row = layout_.rows[static_cast<std::size_t>(index)];
    const auto box = boxAt(row, at.x());
    if (!box) return;
    if (row.kind == TimeRow::Kind::Faders) {
        const std::string control = "merge-" + std::to_string(box->step + 1);
        const Post& post = *session_.document.patch().post(row.line.post);
        if (const KnobInfo* knob = editor_.knob(row.line.post, control); knob && box->step > 0)
            editor_.turn(row.line.post, control, knobValue(post, *knob) >= 0.5 ? 0.0 : 1.0);
        return;
    }
    if (row.kind == TimeRow::Kind::Lane) return press(row, at, event->modifiers());
    const Track* track = trackOf(row);
    if (!track || track->steps[static_cast<std::size_t>(box->step)].kind != Step::Kind::Note) return;
    editor_.choose(row.line, {box->step});
    editor_.clear();
}

void TimeChart::wheelEvent(QWheelEvent* event) {
    if (!event->modifiers().testFlag(Qt::ControlModifier)) return QAbstractScrollArea::wheelEvent(event);
    setZoom(zoom_ * std::pow(kZoomStep, event->angleDelta().y() / 120.0));
    event->accept();
}

void TimeChart::contextMenuEvent(QContextMenuEvent* event) {
    const QPointF at = toContent(event->pos());
    const int index = event->reason() == QContextMenuEvent::Keyboard ? -1 : layout_.rowAt(at.y());
    if (index >= 0) {
        const TimeRow& row = layout_.rows[static_cast<std::size_t>(index)];
        const auto box = row.isLine() ? boxAt(row, at.x()) : std::nullopt;
        if (row.isLine() && (editor_.line() != row.line || (box && !editor_.steps().contains(box->step))))
            editor_.choose(row.line, box ? std::set<int>{box->step} : std::set<int>{});
    }
    Q_EMIT menuRequested(event->globalPos());
}

void TimeChart::moveCursor(int by, bool extend) {
    const int count = std::max(editor_.stepCount(), 0);
    if (count == 0) return;
    const int from = by > 0 && !editor_.steps().empty() && !extend ? *editor_.steps().rbegin() : editor_.cursor();
    if (!extend) {
        anchor_ = ((from + by) % count + count) % count;
        return editor_.choose(editor_.line(), {anchor_});
    }
    if (anchor_ < 0) anchor_ = from;
    const int end = *editor_.steps().rbegin() > anchor_ || *editor_.steps().begin() == anchor_
                        ? *editor_.steps().rbegin()
                        : *editor_.steps().begin();
    const int to = std::clamp(end + by, 0, count - 1);
    std::set<int> chosen;
    for (int step = std::min(anchor_, to); step <= std::max(anchor_, to); ++step) chosen.insert(step);
    editor_.choose(editor_.line(), chosen);
}

void TimeChart::goToLine(int by) {
    std::vector<LineRef> lines;
    for (const TimeRow& row : layout_.rows)
        if (row.isLine()) lines.push_back(row.line);
    if (lines.empty()) return;
    const auto now = std::ranges::find(lines, editor_.line());
    const long at = now == lines.end() ? (by > 0 ? -1 : static_cast<long>(lines.size())) : now - lines.begin();
    const long next = std::clamp(at + by, 0L, static_cast<long>(lines.size()) - 1);
    const int cursor = editor_.cursor();
    editor_.choose(lines[static_cast<std::size_t>(next)], {cursor});
    if (editor_.stepCount() > 0)
        editor_.choose(lines[static_cast<std::size_t>(next)], {std::min(cursor, editor_.stepCount() - 1)});
    anchor_ = editor_.cursor();
    reveal(editor_.line());
}

/// Words of our step notation, one key each.
bool TimeChart::typeKey(QKeyEvent& event) {
    if (event.modifiers() & (Qt::ControlModifier | Qt::AltModifier | Qt::MetaModifier)) return false;
    const QString text = event.text().toLower();
    if (text.size() != 1 || editor_.line().post.empty()) return false;
    if (text == QLatin1String("<") || text == QLatin1String(",")) {
        Q_EMIT octaveRequested(-1);
        return true;
    }
    if (text == QLatin1String(">")) {
        Q_EMIT octaveRequested(1);
        return true;
    }
    static const QString words = QStringLiteral("abcdefgx-.=!~");
    if (!words.contains(text)) return false;
    Q_EMIT typed(text);
    return true;
}

void TimeChart::keyPressEvent(QKeyEvent* event) {
    const bool shift = event->modifiers().testFlag(Qt::ShiftModifier);
    if (!(event->modifiers() & (Qt::ControlModifier | Qt::AltModifier | Qt::MetaModifier))) {
        switch (event->key()) {
        case Qt::Key_Left:
            return moveCursor(-1, shift);
        case Qt::Key_Right:
            return moveCursor(1, shift);
        case Qt::Key_Home:
            return moveCursor(-editor_.cursor(), shift);
        case Qt::Key_End:
            return moveCursor(editor_.stepCount() - 1 - editor_.cursor(), shift);
        case Qt::Key_PageUp:
            return goToLine(-1);
        case Qt::Key_PageDown:
            return goToLine(1);
        case Qt::Key_Up:
            if (editor_.track()) return editor_.moveNotes(1, !shift);
            return goToLine(-1);
        case Qt::Key_Down:
            if (editor_.track()) return editor_.moveNotes(-1, !shift);
            return goToLine(1);
        case Qt::Key_Delete:
        case Qt::Key_Backspace:
            if (!editor_.steps().empty()) editor_.clear();
            return;
        case Qt::Key_Escape:
            marked_.clear();
            redraw();
            return editor_.choose(editor_.line(), {});
        default:
            break;
        }
    }
    if (typeKey(*event)) return;
    QAbstractScrollArea::keyPressEvent(event);
}

/// A note as text, as from the reckoner, goes to the step that it is dropped on.
void TimeChart::dragEnterEvent(QDragEnterEvent* event) {
    if (event->mimeData()->hasText() && !event->mimeData()->hasUrls()) event->acceptProposedAction();
}

void TimeChart::dragMoveEvent(QDragMoveEvent* event) {
    event->acceptProposedAction();
}

void TimeChart::dropEvent(QDropEvent* event) {
    const QPointF at = toContent(event->position());
    const QString text = event->mimeData()->text().trimmed();
    // Cents that stand behind a note have no place in a step.
    const auto note = parseNote(text.section(QLatin1Char(' '), 0, 0).toStdString());
    const int index = layout_.rowAt(at.y());
    const TimeRow* row = index < 0 ? nullptr : &layout_.rows[static_cast<std::size_t>(index)];
    const auto box = row && row->kind == TimeRow::Kind::Track ? boxAt(*row, at.x()) : std::nullopt;
    if (!note || !box || *note < 0 || *note > 127) {
        Q_EMIT message(tr("“%1” is no note for a step; drop one such as D3 onto a step of a track.").arg(text.left(40)),
                       true);
        return;
    }
    event->acceptProposedAction();
    editor_.choose(row->line, {box->step});
    editor_.changeTrack(tr("write a note"), [&](Track& track) {
        Step& step = track.steps[static_cast<std::size_t>(box->step)];
        if (step.kind != Step::Kind::Note) step = Step{.kind = Step::Kind::Note};
        step.note = *note;
        step.unknown = false;
    });
}

QString TimeChart::tip(const TimeRow& row, const QPointF& at) const {
    const TimeSection& section = layout_.sectionOf(row);
    if (at.x() < TimeLayout::kHead + horizontalScrollBar()->value()) {
        if (row.kind == TimeRow::Kind::Heading)
            return tr("Press a letter to show a variation and let it play, with Ctrl to show it only. One that is not "
                      "written yet begins as a copy of what is shown.");
        return {};
    }
    const Responses* responses = responder_.of(section.sequencer.post);
    if (row.kind == TimeRow::Kind::Contour && responses && row.index < static_cast<int>(responses->contours.size())) {
        const ContourResponse& contour = responses->contours[static_cast<std::size_t>(row.index)];
        const double pulse = TimeLayout::pulseAt(section, at.x());
        const Strike* under = nullptr;
        for (const Strike& strike : contour.strikes)
            if (strike.pulse <= pulse + 1e-6) under = &strike;
        if (!under) return {};
        QString text = under->step >= 0 ? tr("Step %1: ").arg(under->step + 1) : QString();
        text += tr("gate %1 ms, %2 V when it closes")
                    .arg(1e3 * under->open, 0, 'f', 1)
                    .arg(static_cast<double>(under->atClose), 0, 'f', 2);
        if (contour.sustains)
            text += under->held ? tr(", sustain reached")
                                : tr(", %1 ms too short for sustain").arg(1e3 * under->missing, 0, 'f', 1);
        text += under->over > 0.0 ? tr(", the tail is %1 ms too long").arg(1e3 * under->over, 0, 'f', 1)
                                  : tr(", the tail ends in time");
        return text;
    }
    if (row.kind == TimeRow::Kind::Tune && responses && row.index < static_cast<int>(responses->tunes.size())) {
        const double pulse = TimeLayout::pulseAt(section, at.x());
        for (const TunedNote& note : responses->tunes[static_cast<std::size_t>(row.index)].notes)
            if (note.pulse <= pulse && pulse < note.until)
                return tr("Step %1: %2 V come, %3 V leave, %4; moved by %5 ct")
                    .arg(note.step + 1)
                    .arg(static_cast<double>(note.wanted), 0, 'f', 3)
                    .arg(static_cast<double>(note.given), 0, 'f', 3)
                    .arg(q(note.text()))
                    .arg(note.moved(), 0, 'f', 0);
        return {};
    }
    const Track* track = trackOf(row);
    const auto box = boxAt(row, at.x());
    if (track && box) {
        const Step& step = track->steps[static_cast<std::size_t>(box->step)];
        if (step.kind == Step::Kind::Rest) return tr("Step %1: rest").arg(box->step + 1);
        if (step.kind == Step::Kind::Tie) return tr("Step %1: tie").arg(box->step + 1);
        const auto key = editor_.key();
        QString text = tr("Step %1: %2, %3 V, gate %4 %, velocity %5")
                           .arg(box->step + 1)
                           .arg(q(noteName(step.note)))
                           .arg(noteToVolts(step.note).value, 0, 'f', 3)
                           .arg(100.0 * step.gate, 0, 'f', 0)
                           .arg(step.velocity);
        if (key && !key->has(step.note)) text += tr(", outside the key %1").arg(q(session_.document.patch().key));
        return text;
    }
    return {};
}

} // namespace lariat
