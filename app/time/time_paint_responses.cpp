// How the Time chart is painted: what the steps cause, and the clocks.
#include "library/tie.h"
#include "look/fonts.h"
#include "look/look.h"
#include "look/text.h"
#include "look/trace_image.h"
#include "shell/theme.h"
#include "time/faint.h"
#include "time/time_chart.h"

#include <QPainter>
#include <QScrollBar>

#include <algorithm>
#include <cmath>

namespace lariat {
namespace {

constexpr VoltRange kContourRange{-0.4f, 8.6f};

} // namespace

void TimeChart::paintFacts(QPainter& painter, const TimeRow& row, qreal) const {
    const Look& l = look();
    const std::vector<Fact>* facts = factsOf(row);
    if (!facts) return;
    const auto boxes = factBoxes(row);
    painter.setFont(textFont(13));
    for (std::size_t i = 0; i < boxes.size(); ++i) {
        const Fact& fact = (*facts)[i];
        painter.setPen(fact.bad ? l.alarm : l.softInk);
        painter.drawText(boxes[i], Qt::TextWordWrap, said(fact.text));
    }
}

/// A picture of the cycle as one column for each pixel of the page.
std::vector<MinMax> TimeChart::columnsOf(const TimeSection& section, const std::vector<MinMax>& picture,
                                         qreal scale) const {
    const auto begin = static_cast<std::size_t>(section.first) * Responses::kPerPulse;
    if (begin >= picture.size()) return {};
    const std::size_t end =
        std::min(picture.size(), begin + static_cast<std::size_t>(section.page) * Responses::kPerPulse);
    const qreal pixels = static_cast<qreal>(end - begin) / Responses::kPerPulse * section.pulseWidth * scale;
    const auto columns = static_cast<std::size_t>(std::max(2.0, pixels));
    std::vector<MinMax> out(columns);
    for (std::size_t c = 0; c < columns; ++c) {
        const std::size_t from = begin + c * (end - begin) / columns;
        const std::size_t to = std::max(from + 1, begin + (c + 1) * (end - begin) / columns);
        MinMax& column = out[c] = picture[from];
        for (std::size_t i = from; i < std::min(to, end); ++i) {
            column.min = std::min(column.min, picture[i].min);
            column.max = std::max(column.max, picture[i].max);
        }
    }
    return out;
}

void TimeChart::paintPicture(QPainter& painter, const QRectF& box, const TimeSection& section,
                             const std::vector<MinMax>& picture, VoltRange range, SignalKind kind) const {
    const qreal scale = devicePixelRatioF();
    auto columns = columnsOf(section, picture, scale);
    if (columns.size() < 2) return;
    if (kind == SignalKind::Control) {
        // A smooth line: a column is its middle, and its top where the contour turns.
        const auto whole = columns;
        for (std::size_t c = 0; c < columns.size(); ++c) {
            const bool top = (c == 0 || whole[c - 1].max <= whole[c].max) &&
                             (c + 1 == whole.size() || whole[c + 1].max <= whole[c].max);
            columns[c].min = columns[c].max = top ? whole[c].max : 0.5f * (whole[c].min + whole[c].max);
        }
    }
    const QSize size(static_cast<int>(columns.size()), static_cast<int>(box.height() * scale));
    QImage image = traceImage(size, columns, range, kind, look().kind(kind), static_cast<float>(scale));
    image.setDevicePixelRatio(scale);
    painter.drawImage(box.topLeft(), image);
}

void TimeChart::paintContour(QPainter& painter, const TimeRow& row) const {
    const Look& l = look();
    const TimeSection& section = layout_.sectionOf(row);
    const Responses* responses = responder_.of(section.sequencer.post);
    if (!responses || row.index >= static_cast<int>(responses->contours.size())) return;
    const ContourResponse& contour = responses->contours[static_cast<std::size_t>(row.index)];
    const QRectF box(section.left, row.top + 12, static_cast<qreal>(section.page) * section.pulseWidth,
                     row.height - 24);
    const auto end = static_cast<double>(section.first + section.page);
    // The gates that hold it lie under it.
    for (const Strike& strike : contour.strikes) {
        if (strike.openTo < static_cast<double>(section.first) || strike.pulse > end) continue;
        const qreal left = TimeLayout::xOf(section, strike.pulse);
        painter.fillRect(
            QRectF(left, row.bottom() - 7, std::max(2.0, TimeLayout::xOf(section, strike.openTo) - left), 4),
            faint(l.kind(SignalKind::Gate), 170));
    }
    VoltRange range = kContourRange;
    for (const MinMax& column : contour.picture) { // an inverted one, or one that swings both ways
        range.low = std::min(range.low, column.min - 0.4f);
        range.high = std::max(range.high, column.max + 0.4f);
    }
    paintPicture(painter, box, section, contour.picture, range, SignalKind::Control);
    const auto y = [&](float volts) {
        return box.bottom() - static_cast<qreal>((volts - range.low) / (range.high - range.low)) * box.height();
    };
    if (contour.sustains) {
        painter.setPen(QPen(faint(l.ink, 130), 1, Qt::DashLine));
        painter.drawLine(QPointF(box.left(), y(contour.sustain)), QPointF(box.right(), y(contour.sustain)));
    }
    painter.setRenderHint(QPainter::Antialiasing);
    painter.setPen(Qt::NoPen);
    painter.setBrush(l.alarm);
    for (const Strike& strike : contour.strikes) {
        if (strike.pulse < static_cast<double>(section.first) || strike.pulse >= end) continue;
        // A triangle where the gate closes too early; a bar where the next note cuts off the tail of a struck one.
        if (contour.sustains && !strike.held) {
            const QPointF at(TimeLayout::xOf(section, strike.openTo), row.top + 3);
            painter.drawPolygon(QPolygonF{at + QPointF(-4, 0), at + QPointF(4, 0), at + QPointF(0, 7)});
        }
        if (!contour.followsGate && strike.cutOff()) {
            const qreal x = TimeLayout::xOf(section, strike.pulse + strike.next / responses->pulseSeconds);
            painter.drawRect(QRectF(x - 3, row.top + 3, 3, 12));
        }
    }
    painter.setRenderHint(QPainter::Antialiasing, false);
}

/// Each note where the quantizer puts it; where that is elsewhere, a stem to where it came from.
void TimeChart::paintTune(QPainter& painter, const TimeRow& row) const {
    const Look& l = look();
    const TimeSection& section = layout_.sectionOf(row);
    const Responses* responses = responder_.of(section.sequencer.post);
    if (!responses || row.index >= static_cast<int>(responses->tunes.size())) return;
    const auto& notes = responses->tunes[static_cast<std::size_t>(row.index)].notes;
    float low = 1e9f;
    float high = -1e9f;
    for (const TunedNote& note : notes) {
        low = std::min({low, note.wanted, note.given});
        high = std::max({high, note.wanted, note.given});
    }
    const auto middle = 0.5f * (low + high);
    const float half = std::max(0.5f * (high - low), 0.25f);
    const auto y = [&](float volts) {
        return row.top + 24 + (row.height - 34) * 0.5 * (1.0 - static_cast<double>((volts - middle) / half));
    };
    const auto begin = static_cast<double>(section.first);
    const auto end = static_cast<double>(section.first + section.page);
    painter.setFont(textFont(13));
    const QFontMetricsF metrics(painter.font());
    for (const TunedNote& note : notes) {
        if (note.until <= begin || note.pulse >= end) continue;
        const qreal left = TimeLayout::xOf(section, std::max(begin, note.pulse));
        const qreal width = std::max(4.0, TimeLayout::xOf(section, std::min(end, note.until)) - left - 2);
        const bool moved = std::abs(note.moved()) >= 1.0;
        const QColor colour = l.kind(SignalKind::Pitch);
        if (moved) {
            painter.fillRect(QRectF(left, y(note.wanted) - 1, width, 2), faint(colour, 110));
            painter.fillRect(
                QRectF(left, std::min(y(note.wanted), y(note.given)), 1, std::abs(y(note.wanted) - y(note.given))),
                faint(colour, 110));
        }
        painter.fillRect(QRectF(left, y(note.given) - 2, width, 4), colour);
        const QString name = q(note.text());
        const QString whole =
            moved ? name + QStringLiteral("  (%1)").arg(note.moved(), 0, 'f', 0).replace(u'-', u'−') : name;
        for (const QString& text : {whole, name, name.section(u' ', 0, 0)})
            if (metrics.horizontalAdvance(text) <= width) {
                painter.setPen(l.ink);
                painter.drawText(QPointF(left, y(note.given) - 5), text);
                break;
            }
    }
}

void TimeChart::paintSound(QPainter& painter, const TimeRow& row) const {
    const TimeSection& section = layout_.sectionOf(row);
    const Responses* responses = responder_.of(section.sequencer.post);
    if (!responses || row.index >= static_cast<int>(responses->sounds.size())) return;
    const SoundResponse& sound = responses->sounds[static_cast<std::size_t>(row.index)];
    const SignalKind kind = sound.audio ? SignalKind::Audio : SignalKind::Control;
    paintPicture(painter, {section.left, row.top + 4, 0, row.height - 8}, section, sound.picture,
                 rangeFor(kind, sound.low, sound.high), kind);
}

/// What is not reset stands at the head of the clocks.
void TimeChart::paintClocks(QPainter& painter, const TimeRow& row) const {
    const Look& l = look();
    const qreal left = horizontalScrollBar()->value();
    painter.fillRect(QRectF(left, row.top, viewport()->width(), row.height), l.panel);
    painter.setFont(textFont(15, true));
    painter.setPen(l.ink);
    painter.drawText(QRectF(left + 16, row.top, TimeLayout::kHead - 20, row.height), Qt::AlignVCenter, tr("Clocks"));
    QStringList free;
    for (const ResetState& reset : responder_.clocks().resets)
        if (const Post* post = session_.document.patch().post(reset.post); post && reset.by.post.empty())
            free << q(post->name);
    const QString text = free.isEmpty() ? tr("everything that counts is reset")
                                        : tr("not reset: %1").arg(free.join(QStringLiteral(", ")));
    painter.setFont(textFont(13));
    painter.setPen(l.softInk);
    painter.drawText(
        QRectF(left + TimeLayout::kHead + 3, row.top, viewport()->width() - TimeLayout::kHead - 16, row.height),
        Qt::AlignVCenter, text);
}

/// Its pulses, under the axis of the first sequencer.
void TimeChart::paintClock(QPainter& painter, const TimeRow& row) const {
    const TimeSection& section = layout_.sectionOf(row);
    const auto& branches = responder_.clocks().branches;
    if (row.index >= static_cast<int>(branches.size()) || section.sequencer.clock.empty()) return;
    const JackRef stepped{section.sequencer.post, section.sequencer.clock};
    const auto axis = std::ranges::find_if(
        branches, [&](const ClockBranch& one) { return std::ranges::find(one.steps, stepped) != one.steps.end(); });
    if (axis == branches.end() || axis->pulses.size() < 2) return;
    const auto& beats = axis->pulses;
    painter.setPen(QPen(look().kind(SignalKind::Clock), 2));
    for (const double at : branches[static_cast<std::size_t>(row.index)].pulses) {
        const auto after = std::ranges::upper_bound(beats, at);
        if (after == beats.begin() || after == beats.end()) continue;
        const double pulse =
            static_cast<double>(after - beats.begin()) - 1.0 + (at - *(after - 1)) / (*after - *(after - 1));
        if (pulse < static_cast<double>(section.first) || pulse >= static_cast<double>(section.first + section.page))
            continue;
        const qreal x = TimeLayout::xOf(section, pulse) + 1;
        painter.drawLine(QPointF(x, row.top + 12), QPointF(x, row.bottom() - 10));
    }
}

} // namespace lariat
