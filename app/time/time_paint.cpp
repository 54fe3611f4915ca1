// How the Time chart is painted: heads, lines and steps.
#include "blocks/parts/euclid.h"
#include "library/tie.h"
#include "look/fonts.h"
#include "look/look.h"
#include "look/text.h"
#include "shell/theme.h"
#include "time/faint.h"
#include "time/time_chart.h"
#include "units/pitch.h"

#include <QPainter>
#include <QScrollBar>

#include <algorithm>
#include <cmath>
#include <cstring>

namespace lariat {
namespace {

constexpr qreal kNamed = 30;    ///< pixels of a step from which on its note is written above it
constexpr qreal kNumbered = 22; ///< … and from which on every pulse has its number

} // namespace

void TimeChart::paintEvent(QPaintEvent* event) {
    if (stale_ || page_.size() != viewport()->size() * devicePixelRatioF()) paintPage();
    QPainter painter(viewport());
    painter.drawPixmap(0, 0, page_);
    paintPlaying(painter, event->rect());
}

/// The steps that play now, over all that stands still.
void TimeChart::paintPlaying(QPainter& painter, const QRect& part) const {
    painter.setClipRect(
        part.intersected(QRect(static_cast<int>(TimeLayout::kHead) - 2, 0, viewport()->width(), viewport()->height())));
    const Look& l = look();
    for (const TimeRow& row : layout_.rows) {
        const QRectF here = toView({0, row.top, layout_.width, row.height});
        if (!row.isLine() || here.bottom() < part.top() || here.top() > part.bottom()) continue;
        const int now = playing(row.line);
        if (now < 0) continue;
        const TimeSection& section = layout_.sectionOf(row);
        const auto pulse = playingPulse(section);
        for (const StepBox& box : boxesOf(row)) {
            // Of a line that turns over, only one of its rounds is meant.
            const bool mine = pulse ? *pulse >= box.from - 1e-6 && *pulse < box.to - 1e-6 : !box.again;
            if (box.step != now || !mine) continue;
            painter.fillRect(toView({TimeLayout::xOf(section, box.from), row.top + 1,
                                     (box.to - box.from) * section.pulseWidth, row.height - 1}),
                             faint(l.accent, l.dark ? 60 : 38));
            break;
        }
    }
}

void TimeChart::paintPage() {
    stale_ = false;
    page_ = QPixmap(viewport()->size() * devicePixelRatioF());
    page_.setDevicePixelRatio(devicePixelRatioF());
    const Look& l = look();
    page_.fill(l.paper);
    QPainter painter(&page_);
    painter.translate(-horizontalScrollBar()->value(), -verticalScrollBar()->value());
    const qreal top = verticalScrollBar()->value();
    const qreal bottom = top + viewport()->height();
    for (const TimeRow& row : layout_.rows) {
        if (row.bottom() < top || row.top > bottom) continue;
        painter.save();
        painter.setClipRect(QRectF(horizontalScrollBar()->value() + TimeLayout::kHead - 2, row.top, viewport()->width(),
                                   row.height + 1),
                            Qt::IntersectClip);
        const bool heads =
            row.kind == TimeRow::Kind::Heading || row.kind == TimeRow::Kind::More || row.kind == TimeRow::Kind::Clocks;
        if (!heads) paintGrid(painter, row);
        if (row.isLine()) paintChosen(painter, row);
        switch (row.kind) {
        case TimeRow::Kind::Track:
            paintTrack(painter, row);
            break;
        case TimeRow::Kind::Lane:
            paintLane(painter, row);
            break;
        case TimeRow::Kind::Faders:
            paintFaders(painter, row);
            break;
        case TimeRow::Kind::Fill:
            paintFill(painter, row);
            break;
        case TimeRow::Kind::Contour:
            paintContour(painter, row);
            break;
        case TimeRow::Kind::Tune:
            paintTune(painter, row);
            break;
        case TimeRow::Kind::Sound:
            paintSound(painter, row);
            break;
        case TimeRow::Kind::Clock:
            paintClock(painter, row);
            break;
        case TimeRow::Kind::Heading:
        case TimeRow::Kind::More:
        case TimeRow::Kind::Clocks:
            break;
        }
        painter.restore();
        if (row.kind == TimeRow::Kind::Heading)
            paintHeading(painter, row);
        else if (row.kind == TimeRow::Kind::More)
            paintMore(painter, row);
        else if (row.kind == TimeRow::Kind::Clocks)
            paintClocks(painter, row);
        else
            paintHead(painter, row);
    }
    if (!layout_.rows.empty()) return;
    painter.resetTransform();
    painter.setPen(l.softInk);
    painter.setFont(textFont(15));
    painter.drawText(viewport()->rect().adjusted(80, 0, -80, 0), Qt::AlignCenter | Qt::TextWordWrap,
                     tr("Nothing in this patch goes through steps. Take a sequencer from the case in the Patch place "
                        "(Ctrl+E), tie a clock to it, and write its steps here."));
}

void TimeChart::paintGrid(QPainter& painter, const TimeRow& row) const {
    const TimeSection& section = layout_.sectionOf(row);
    const Look& l = look();
    for (long pulse = 0; pulse <= section.page; ++pulse) {
        const bool beat = (section.first + pulse) % 4 == 0;
        if (!beat && section.pulseWidth < 6) continue;
        painter.setPen(QPen(faint(l.line, beat ? 255 : 110), 1));
        const qreal x = std::round(section.left + static_cast<qreal>(pulse) * section.pulseWidth) + 0.5;
        painter.drawLine(QPointF(x, row.top), QPointF(x, row.bottom()));
    }
    painter.setPen(QPen(faint(l.line, row.isLine() ? 255 : 140), 1));
    painter.drawLine(QPointF(section.left, row.bottom() + 0.5),
                     QPointF(section.left + static_cast<qreal>(section.page) * section.pulseWidth, row.bottom() + 0.5));
}

/// The steps that are chosen or marked.
void TimeChart::paintChosen(QPainter& painter, const TimeRow& row) const {
    const TimeSection& section = layout_.sectionOf(row);
    const Look& l = look();
    const bool mine = editor_.line() == row.line;
    for (const StepBox& box : boxesOf(row)) {
        const QRectF place(TimeLayout::xOf(section, box.from), row.top + 1, (box.to - box.from) * section.pulseWidth,
                           row.height - 1);
        if (box.again) painter.fillRect(place, faint(l.panel, 150));
        if (marked_.contains(box.step) && markedLine_ == row.line)
            painter.fillRect(place.adjusted(1, 0, -1, -place.height() + 4), l.alarm);
        if (mine && !box.again && editor_.steps().contains(box.step)) {
            painter.setPen(QPen(l.accent, hasFocus() ? 2 : 1));
            painter.setBrush(Qt::NoBrush);
            painter.drawRect(place.adjusted(1, 1, -1, -1));
        }
    }
}

void TimeChart::paintHeading(QPainter& painter, const TimeRow& row) const {
    const TimeSection& section = layout_.sectionOf(row);
    const Look& l = look();
    const qreal left = horizontalScrollBar()->value();
    painter.fillRect(QRectF(left, row.top, std::max<qreal>(layout_.width, viewport()->width()), row.height), l.panel);
    // The axis: numbers of the pulses, beats strong.
    painter.save();
    painter.setClipRect(QRectF(left + TimeLayout::kHead - 2, row.top, viewport()->width(), row.height));
    for (long pulse = 0; pulse < section.page; ++pulse) {
        const bool beat = (section.first + pulse) % 4 == 0;
        if (!beat && section.pulseWidth < kNumbered) continue;
        if (section.pulseWidth * 4 < kNumbered && (section.first + pulse) % 16 != 0) continue;
        painter.setFont(textFont(13, beat));
        painter.setPen(beat ? l.ink : l.softInk);
        painter.drawText(
            QRectF(section.left + static_cast<qreal>(pulse) * section.pulseWidth + 3, row.top + 32, 60, 20),
            Qt::AlignLeft | Qt::AlignVCenter, QString::number(section.first + pulse + 1));
    }
    painter.restore();
    const Post* post = session_.document.patch().post(section.sequencer.post);
    if (!post) return;
    painter.setFont(textFont(15, true));
    painter.setPen(l.ink);
    const QFontMetricsF strong(painter.font());
    const QString name = strong.elidedText(q(post->name), Qt::ElideRight, TimeLayout::kHead - 24);
    painter.drawText(QRectF(left + 16, row.top + 4, TimeLayout::kHead - 24, 22), Qt::AlignVCenter, name);
    // What the whole does.
    QString whole;
    if (const Responses* responses = responder_.of(section.sequencer.post)) {
        const double pulse = responses->pulseSeconds;
        whole = tr("one pulse %1 ms = %2 Hz").arg(1e3 * pulse, 0, 'f', 1).arg(1.0 / pulse, 0, 'f', 2);
        const double bars = static_cast<double>(responses->cycle) / 16.0;
        whole += responses->cycle == section.page && section.passes == 1
                     ? tr(" · begins anew after %1 pulses").arg(responses->cycle)
                     : tr(" · all lines begin together after %1 pulses, %2 bars of 16")
                           .arg(responses->cycle)
                           .arg(bars, 0, 'g', 4);
        if (responses->shown < responses->cycle) whole += tr(" · %1 of them were run").arg(responses->shown);
    } else {
        whole = responder_.problem(section.sequencer.post);
    }
    painter.setFont(textFont(13));
    painter.setPen(l.softInk);
    const qreal room = viewport()->width() - TimeLayout::kHead - (section.passes > 1 ? 176 : 16);
    painter.drawText(QRectF(left + TimeLayout::kHead + 3, row.top + 4, room, 22), Qt::AlignVCenter,
                     QFontMetricsF(painter.font()).elidedText(whole, Qt::ElideRight, room));
    if (section.passes > 1) {
        const auto [back, on] = pageBoxes(row);
        painter.setPen(section.pass > 0 ? l.accent : faint(l.softInk, 110));
        painter.drawText(back, Qt::AlignCenter, QStringLiteral("◂"));
        painter.setPen(section.pass + 1 < section.passes ? l.accent : faint(l.softInk, 110));
        painter.drawText(on, Qt::AlignCenter, QStringLiteral("▸"));
        painter.setPen(l.ink);
        painter.drawText(QRectF(back.right(), back.top(), on.left() - back.right(), back.height()), Qt::AlignCenter,
                         tr("page %1 of %2").arg(section.pass + 1).arg(section.passes));
    }
    const auto letters = letterBoxes(row);
    const Pattern* pattern = session_.document.patch().pattern(section.sequencer.post);
    const int written = pattern ? 1 + static_cast<int>(pattern->others.size()) : 1;
    for (int v = 0; v < static_cast<int>(letters.size()); ++v) {
        const QRectF& box = letters[static_cast<std::size_t>(v)];
        const bool on = v == section.variation;
        if (on) painter.fillRect(box, l.accent);
        painter.setFont(textFont(13, on || v < written));
        painter.setPen(on ? l.card : v < written ? l.ink : faint(l.softInk, 150));
        painter.drawText(box, Qt::AlignCenter, QString(QLatin1Char(static_cast<char>('A' + v))));
    }
}

/// What the jacks of a line lead to: "gate 1 → Contour 1".
QString TimeChart::lineDescription(const TimeRow& row) const {
    const Patch& patch = session_.document.patch();
    const TimeSection& section = layout_.sectionOf(row);
    const auto line = std::ranges::find(section.sequencer.lines, row.line, &SequencerLine::at);
    QStringList led;
    if (line != section.sequencer.lines.end())
        for (const std::string& jack : line->jacks)
            for (const Cable& cable : patch.cables)
                if (cable.from == JackRef{row.line.post, jack}) led << q(patch.post(cable.to.post)->name);
    led.removeDuplicates();
    const Post* post = patch.post(row.line.post);
    const KnobInfo* play = post ? session_.document.library().part(*post)->knobFor("quantizer", "play") : nullptr;
    if (play && knobValue(*post, *play) < 0.5) return tr("not played: %1 is off").arg(q(play->name));
    return led.isEmpty() ? tr("leads nowhere yet") : tr("to %1").arg(led.join(QStringLiteral(", ")));
}

void TimeChart::paintHead(QPainter& painter, const TimeRow& row) const {
    const Look& l = look();
    const qreal left = horizontalScrollBar()->value();
    const QRectF ground(left, row.top, TimeLayout::kHead - 2, row.height);
    painter.fillRect(ground, l.paper);
    painter.setPen(QPen(faint(l.line, row.isLine() ? 255 : 140), 1));
    painter.drawLine(ground.bottomLeft() + QPointF(0, 0.5), ground.bottomRight() + QPointF(0, 0.5));
    const TimeSection& section = layout_.sectionOf(row);
    const bool mine = row.isLine() && editor_.line() == row.line;
    if (mine) painter.fillRect(QRectF(left, row.top + 1, 4, row.height - 1), l.accent);
    const auto text = [&](qreal x, qreal y, const QString& words, const QFont& font, const QColor& colour,
                          qreal width) {
        painter.setFont(font);
        painter.setPen(colour);
        painter.drawText(QRectF(left + x, y, width, 18), Qt::AlignVCenter,
                         QFontMetricsF(font).elidedText(words, Qt::ElideRight, width));
    };
    const qreal width = TimeLayout::kHead - 26;
    if (row.kind == TimeRow::Kind::Contour || row.kind == TimeRow::Kind::Tune || row.kind == TimeRow::Kind::Sound) {
        const Responses* responses = responder_.of(section.sequencer.post);
        if (!responses) return;
        const Patch& patch = session_.document.patch();
        const auto at = static_cast<std::size_t>(row.index);
        painter.setPen(QPen(l.softInk, 1));
        painter.drawLine(QPointF(left + 18, row.top), QPointF(left + 18, row.top + 14));
        painter.drawLine(QPointF(left + 18, row.top + 14), QPointF(left + 27, row.top + 14));
        if (row.kind == TimeRow::Kind::Contour && at < responses->contours.size()) {
            const ContourResponse& contour = responses->contours[at];
            const Post* post = patch.post(contour.post);
            if (!post) return;
            text(32, row.top + 5, q(post->name), textFont(13, true), l.ink, width - 16);
            QStringList stages;
            for (const auto& [control, letter] :
                 {std::pair("attack", "A"), {"decay", "D"}, {"sustain", "S"}, {"release", "R"}})
                if (const KnobInfo* knob = session_.document.library().part(*post)->knobFor("contour", control);
                    knob && (contour.releases || *letter != 'R') && (contour.sustains || *letter != 'S'))
                    stages << QLatin1String(letter) + QLatin1Char(' ') + q(knob->scale.text(knobValue(*post, *knob)));
            text(32, row.top + 23, stages.join(QStringLiteral("  ")), textFont(13), l.softInk, width - 16);
            paintFacts(painter, row, row.top + 44);
        } else if (row.kind == TimeRow::Kind::Tune && at < responses->tunes.size()) {
            const TunePath& path = responses->tunes[at].path;
            const Post* post = patch.post(path.out.post);
            if (!post) return;
            text(32, row.top + 5, q(tieName(path.out, patch, session_.document.library())), textFont(13, true), l.ink,
                 width - 16);
            const PartInfo& part = *session_.document.library().part(*post);
            QStringList scale;
            for (const char* control : {"root", "scale"}) {
                const KnobInfo* knob = part.knobFor("quantizer", control);
                if (!knob) continue;
                const double value = knobValue(*post, *knob);
                const bool tuned = !post->tuning.empty() && std::strcmp(control, "scale") == 0 && value == 0.0;
                scale << q(tuned ? post->tuning : knob->scale.text(value));
            }
            text(32, row.top + 23, scale.join(QStringLiteral(" ")), textFont(13), l.softInk, width - 16);
            paintFacts(painter, row, row.top + 44);
        } else if (row.kind == TimeRow::Kind::Sound && at < responses->sounds.size()) {
            text(32, row.top + 5, q(tieName(responses->sounds[at].output, patch, session_.document.library())),
                 textFont(13, true), l.ink, width - 16);
            paintFacts(painter, row, row.top + 26);
        }
        return;
    }
    if (row.kind == TimeRow::Kind::Clock) {
        const auto& branches = responder_.clocks().branches;
        if (row.index >= static_cast<int>(branches.size())) return;
        const ClockBranch& branch = branches[static_cast<std::size_t>(row.index)];
        if (!session_.document.patch().post(branch.output.post)) return; // it went a moment ago
        const qreal indent = 16.0 + 14.0 * std::min(branch.depth, 4);
        text(indent, row.top + 3, q(tieName(branch.output, session_.document.patch(), session_.document.library())),
             textFont(13, true), branch.simple || branch.uneven ? l.ink : l.alarm, width + 16 - indent);
        text(indent, row.top + 21, said(clockText(branch)), textFont(13), l.softInk, width + 16 - indent);
        return;
    }
    // Lines of one lock change variation together: their heads are tied.
    if (section.sequencer.variations > 1 && section.sequencer.plays) {
        const auto lock = [&](const TimeRow& one) {
            if (const Track* track = trackOf(one)) return track->stride.lock;
            if (const Lane* lane = laneOf(one)) return lane->stride.lock;
            return 0;
        };
        if (const int own = lock(row); own > 0) {
            qreal last = -1;
            for (const TimeRow& other : layout_.rows)
                if (other.isLine() && other.section == row.section && other.top < row.top && lock(other) == own)
                    last = other.top + 14;
            painter.setPen(QPen(l.softInk, 1.5));
            painter.setBrush(l.softInk);
            const qreal x = left + TimeLayout::kHead - 10;
            if (last >= 0) painter.drawLine(QPointF(x, last), QPointF(x, row.top + 14));
            painter.drawEllipse(QPointF(x, row.top + 14), 2.5, 2.5);
        }
    }
    text(16, row.top + (row.kind == TimeRow::Kind::Lane || row.kind == TimeRow::Kind::Fill ? 1 : 6), nameOf(row.line),
         textFont(13, true), l.ink, width);
    if (row.kind == TimeRow::Kind::Lane || row.kind == TimeRow::Kind::Fill) {
        text(16, row.top + 17, lineDescription(row), textFont(13), l.softInk, width);
        return;
    }
    text(16, row.top + 25, lineDescription(row), textFont(13), l.softInk, width);
    if (const Track* track = trackOf(row)) {
        QString how = tr("%n step(s)", nullptr, static_cast<int>(track->steps.size()));
        if (track->stride.division > 1) how += tr(" of %1 pulses").arg(track->stride.division);
        if (track->stride.triplets) how += tr(" · triplets");
        if (track->stride.swing > 0.5) how += tr(" · swing %1 %").arg(100.0 * track->stride.swing, 0, 'g', 3);
        text(16, row.top + 44, how, textFont(13), l.softInk, width);
    }
}

void TimeChart::paintTrack(QPainter& painter, const TimeRow& row) const {
    const Look& l = look();
    const TimeSection& section = layout_.sectionOf(row);
    const Track* track = trackOf(row);
    if (!track) {
        painter.setPen(l.softInk);
        painter.setFont(textFont(13));
        painter.drawText(QRectF(section.left + 16, row.top, viewport()->width() - TimeLayout::kHead - 32, row.height),
                         Qt::AlignVCenter | Qt::TextWordWrap,
                         tr("No notes yet. Press here to write one, or choose this line and type: d3 - f3 = …"));
        return;
    }
    const Range range = rangeOf(row, *track);
    const auto key = editor_.key();
    // Octaves of the key's root, or of C, to read heights by.
    const int root = key ? key->root : 0;
    for (int note = range.low; note <= range.high; ++note) {
        if (((note - root) % 12 + 12) % 12 != 0) continue;
        painter.setPen(QPen(faint(l.line, 200), 1, Qt::DotLine));
        const qreal y = noteY(row, range, note);
        painter.drawLine(QPointF(section.left, y),
                         QPointF(section.left + static_cast<qreal>(section.page) * section.pulseWidth, y));
    }
    const Pattern* pattern = session_.document.patch().pattern(row.line.post);
    const Track* first = section.variation > 0 && row.line.index < static_cast<int>(pattern->tracks.size())
                             ? &pattern->tracks[static_cast<std::size_t>(row.line.index)]
                             : nullptr;
    const std::set<int> differs = first ? differing(first->steps, track->steps) : std::set<int>{};
    QPointF before; ///< end of the note before, for slides and ties
    bool sounds = false;
    for (const StepBox& box : boxesOf(row)) {
        const Step& step = track->steps[static_cast<std::size_t>(box.step)];
        const qreal left = TimeLayout::xOf(section, box.from);
        const qreal width = (box.to - box.from) * section.pulseWidth;
        QColor colour = box.again ? faint(l.kind(SignalKind::Pitch), 110) : l.kind(SignalKind::Pitch);
        if (differs.contains(box.step) && !box.again) {
            painter.setPen(Qt::NoPen);
            painter.setBrush(l.accent);
            painter.drawPolygon(QPolygonF{QPointF(left + 1, row.bottom()), QPointF(left + 8, row.bottom()),
                                          QPointF(left + 1, row.bottom() - 7)});
        }
        if (step.kind == Step::Kind::Tie) {
            if (sounds) { // the note before goes on
                painter.fillRect(QRectF(before.x(), before.y() - 4, left + step.gate * width - before.x() - 1, 8),
                                 faint(colour, box.again ? 80 : 150));
                before.setX(left + step.gate * width);
            }
            continue;
        }
        if (step.kind == Step::Kind::Rest) {
            sounds = false;
            if (step.unknown) {
                paintUnknown(painter, QRectF(left + 1, row.bottom() - 20, std::max(6.0, 0.5 * width), 12),
                             l.kind(SignalKind::Pitch), width);
                continue;
            }
            painter.setPen(QPen(faint(l.softInk, 120), 1));
            painter.drawLine(QPointF(left + width / 2 - 3, row.bottom() - 12),
                             QPointF(left + width / 2 + 3, row.bottom() - 12));
            continue;
        }
        const QRectF bar = barOf(row, range, step, box);
        const QPointF start(bar.left(), bar.center().y());
        if (step.slide && sounds) {
            painter.setRenderHint(QPainter::Antialiasing);
            painter.setPen(QPen(colour, 2));
            painter.drawLine(before, start + QPointF(2, 0));
            painter.setRenderHint(QPainter::Antialiasing, false);
        }
        // Velocity is the strength of the colour, chance a hatch, an accent a cap.
        const int strength = 90 + static_cast<int>(165.0 * step.velocity / 127.0);
        if (step.unknown) {
            paintUnknown(painter, bar, colour, width);
            before = QPointF(bar.right(), bar.center().y());
            sounds = true;
            continue;
        }
        painter.setPen(Qt::NoPen);
        painter.setBrush(QBrush(faint(colour, std::min(colour.alpha(), strength)),
                                step.probability < 1.0 ? Qt::Dense4Pattern : Qt::SolidPattern));
        for (int strike = 0; strike < step.repeats; ++strike) {
            const qreal each = step.repeats > 1 ? width * (1.0 - step.late) / step.repeats : bar.width();
            painter.drawRect(QRectF(bar.left() + strike * each, bar.top(),
                                    step.repeats > 1 ? std::max(2.0, each * step.gate - 1) : bar.width(),
                                    bar.height()));
        }
        if (step.accent) painter.fillRect(QRectF(bar.left(), bar.top() - 4, std::min(10.0, bar.width()), 3), colour);
        const bool outside = key && !key->has(step.note);
        if (outside) painter.fillRect(QRectF(bar.left(), bar.bottom() + 2, bar.width(), 2), l.alarm);
        if (width >= kNamed) {
            painter.setFont(textFont(13));
            painter.setPen(outside ? l.alarm : box.again ? l.softInk : l.ink);
            painter.drawText(QRectF(bar.left(), bar.top() - 21, std::max(40.0, width), 17),
                             Qt::AlignLeft | Qt::AlignVCenter, q(noteName(step.note)));
        }
        before = QPointF(bar.right(), bar.center().y());
        sounds = true;
    }
}

/// A step that nobody wrote down: where it is tried, as an outline, with a question mark.
void TimeChart::paintUnknown(QPainter& painter, const QRectF& bar, const QColor& colour, qreal width) {
    painter.setPen(QPen(colour, 1.2, Qt::DashLine));
    painter.setBrush(Qt::NoBrush);
    painter.drawRect(bar.adjusted(0.5, 0.5, -0.5, -0.5));
    if (width < 10) return;
    painter.setFont(textFont(13, true));
    painter.setPen(look().ink);
    // Within it where it is high enough, as a hit is; else above it, where notes have their names.
    const bool within = bar.height() >= 15;
    const auto align = static_cast<int>(within ? Qt::AlignCenter : Qt::AlignLeft | Qt::AlignVCenter);
    painter.drawText(within ? bar : QRectF(bar.left(), bar.top() - 21, std::max(20.0, width), 18), align,
                     QStringLiteral("?"));
}

void TimeChart::paintLane(QPainter& painter, const TimeRow& row) const {
    const Look& l = look();
    const TimeSection& section = layout_.sectionOf(row);
    const Lane* lane = laneOf(row);
    const qreal ground = row.bottom() - 7;
    painter.setPen(QPen(faint(l.kind(SignalKind::Gate), 90), 1));
    painter.drawLine(QPointF(section.left, ground + 0.5),
                     QPointF(section.left + static_cast<qreal>(section.page) * section.pulseWidth, ground + 0.5));
    if (!lane) {
        painter.setPen(l.softInk);
        painter.setFont(textFont(13));
        painter.drawText(QRectF(section.left + 16, row.top, 600, row.height - 6), Qt::AlignVCenter,
                         tr("No hits yet. Press where one should come."));
        return;
    }
    const Pattern* pattern = session_.document.patch().pattern(row.line.post);
    const Lane* first = section.variation > 0 && row.line.index < static_cast<int>(pattern->lanes.size())
                            ? &pattern->lanes[static_cast<std::size_t>(row.line.index)]
                            : nullptr;
    const std::set<int> differs = first ? differing(first->hits, lane->hits) : std::set<int>{};
    for (const StepBox& box : boxesOf(row)) {
        const Hit hit = lane->hits[static_cast<std::size_t>(box.step)];
        const qreal left = TimeLayout::xOf(section, box.from);
        const qreal width = (box.to - box.from) * section.pulseWidth;
        if (differs.contains(box.step) && !box.again) {
            painter.setPen(Qt::NoPen);
            painter.setBrush(l.accent);
            painter.drawPolygon(QPolygonF{QPointF(left + 1, row.bottom()), QPointF(left + 8, row.bottom()),
                                          QPointF(left + 1, row.bottom() - 7)});
        }
        if (hit == Hit::Rest) continue;
        const qreal high = hit == Hit::Accent ? 25 : 17;
        const QRectF block(left + 1, ground - high, std::clamp(0.42 * width, 3.0, 18.0), high);
        if (hit == Hit::Unknown) {
            paintUnknown(painter, block, l.kind(SignalKind::Gate), width);
            continue;
        }
        painter.fillRect(block, faint(l.kind(SignalKind::Gate), box.again ? 90 : 220));
        if (hit == Hit::Accent)
            painter.fillRect(QRectF(block.left(), block.top() - 1, block.width() + 4, 3),
                             box.again ? l.softInk : l.ink);
    }
}

void TimeChart::paintFaders(QPainter& painter, const TimeRow& row) const {
    const Look& l = look();
    const TimeSection& section = layout_.sectionOf(row);
    const Post* post = session_.document.patch().post(row.line.post);
    if (!post) return;
    const qreal middle = row.top + row.height / 2;
    painter.setPen(QPen(faint(l.softInk, 120), 1));
    painter.drawLine(QPointF(section.left, middle),
                     QPointF(section.left + static_cast<qreal>(section.page) * section.pulseWidth, middle));
    qreal height = 0;
    for (const StepBox& box : boxesOf(row)) {
        const auto id = [&](const char* word) { return std::string(word) + std::to_string(box.step + 1); };
        const KnobInfo* fader = editor_.knob(row.line.post, id("fader-"));
        const KnobInfo* merge = editor_.knob(row.line.post, id("merge-"));
        if (!fader) continue;
        const bool merged = box.step > 0 && merge && knobValue(*post, *merge) >= 0.5;
        if (!merged) height = (fader->scale.toFraction(knobValue(*post, *fader)) - 0.5) * (row.height - 16);
        const qreal left = TimeLayout::xOf(section, box.from);
        const qreal width = (box.to - box.from) * section.pulseWidth;
        const QColor colour = l.kind(SignalKind::Control);
        painter.fillRect(QRectF(left + (merged ? 0 : 2), middle - std::max(0.0, height), width - 4 + (merged ? 2 : 0),
                                std::abs(height))
                             .normalized(),
                         faint(colour, box.again ? 30 : 60));
        painter.fillRect(QRectF(left + (merged ? -2 : 2), middle - height - 1.5, width - 4 + (merged ? 4 : 0), 3),
                         faint(colour, box.again ? 110 : 255));
    }
}

void TimeChart::paintFill(QPainter& painter, const TimeRow& row) const {
    const Look& l = look();
    const TimeSection& section = layout_.sectionOf(row);
    const Post* post = session_.document.patch().post(row.line.post);
    if (!post) return;
    const auto value = [&](const char* control, double fallback) {
        const KnobInfo* knob = editor_.knob(row.line.post, control);
        return static_cast<int>(knob ? knobValue(*post, *knob) : fallback);
    };
    const int length = 1 + value("length", 15);
    const bool drawn = value("mode", 0) == 0;
    const qreal ground = row.bottom() - 7;
    for (const StepBox& box : boxesOf(row)) {
        const qreal left = TimeLayout::xOf(section, box.from);
        const qreal width = (box.to - box.from) * section.pulseWidth;
        const QRectF block(left + 1, ground - 17, std::clamp(0.42 * width, 3.0, 18.0), 17);
        if (!drawn) { // each step may be one: as likely as it is high
            const qreal part = static_cast<qreal>(value("fill", 4)) / length;
            painter.fillRect(QRectF(block.left(), ground - 17 * part, block.width(), 17 * part),
                             faint(l.kind(SignalKind::Gate), 110));
        } else if (isEuclideanHit(box.step, length, value("fill", 4), value("rotate", 0))) {
            painter.fillRect(block, faint(l.kind(SignalKind::Gate), box.again ? 90 : 220));
        }
    }
    painter.setPen(QPen(faint(l.kind(SignalKind::Gate), 90), 1));
    painter.drawLine(QPointF(section.left, ground + 0.5),
                     QPointF(section.left + static_cast<qreal>(section.page) * section.pulseWidth, ground + 0.5));
}

void TimeChart::paintMore(QPainter& painter, const TimeRow& row) const {
    const Look& l = look();
    painter.fillRect(QRectF(horizontalScrollBar()->value(), row.top, viewport()->width(), row.height), l.paper);
    painter.setFont(textFont(13));
    for (const auto& [box, line] : moreBoxes(row)) {
        painter.setPen(QPen(l.line, 1));
        painter.setBrush(l.card);
        painter.drawRoundedRect(box.adjusted(0.5, 0.5, -0.5, -0.5), 3, 3);
        painter.setPen(l.accent);
        painter.drawText(box, Qt::AlignCenter,
                         line.lane ? tr("write lane %1").arg(line.index + 1)
                                   : tr("write track %1").arg(line.index + 1));
    }
}

} // namespace lariat
