// Colours and marks: one light and one dark look, shared by the window and the printed sheet.
//
// The five kinds of signal differ by the form of their trace and their end mark as well as by colour:
//   audio    thin line                      arrow head
//   control  line with a soft ground        half disc
//   pitch    thick line                     diamond
//   gate     solid blocks                   square
//   clock    outlined blocks, hatched       double bar
#pragma once

#include "blocks/block.h"
#include "engine/tap.h"

#include <QColor>
#include <QPainter>
#include <QPointF>
#include <QRectF>

#include <optional>
#include <span>
#include <string>

namespace lariat {

struct Look {
    bool dark = false;
    QColor paper; ///< the chart
    QColor panel; ///< headings, inspector
    QColor card;  ///< post heads, fields, the ground of traces
    QColor line;  ///< posts, dividers
    QColor ink;
    QColor softInk; ///< second-rank text, still 4.5:1 on the paper
    QColor rail;    ///< the rail of places and the transport
    QColor railInk;
    QColor accent;
    QColor alarm; ///< findings
    QColor alarmGround;
    QColor kinds[5]; ///< by SignalKind

    [[nodiscard]] const QColor& kind(SignalKind k) const { return kinds[static_cast<int>(k)]; }
    static const Look& light();
    static const Look& night();
};

/// The colour of a heading by its word (kHeadingColours); readable as a band on either ground.
QColor headingColour(const std::string& word);

/// The volts that a trace's rectangle spans, chosen so that like signals look alike: ±5 V, 0…8 V, or more.
struct VoltRange {
    float low = -5.0f;
    float high = 5.0f;

    bool operator==(const VoltRange&) const = default;
};
VoltRange rangeFor(SignalKind kind, float min, float max);

/// Draws a signal as columns of ranges across `rect`.
void drawTrace(QPainter& painter, const QRectF& rect, std::span<const MinMax> columns, VoltRange range, SignalKind kind,
               const QColor& colour);
/// The mark where a cable enters, pointing along `direction` (+1 right, -1 left).
void drawEndMark(QPainter& painter, QPointF at, SignalKind kind, int direction, const QColor& colour);
/// The mark where a cable leaves.
void drawStartMark(QPainter& painter, QPointF at, const QColor& colour);
/// A knob at a fraction of its travel, 7 to 5 o'clock; without one it has no hand: nobody knows where it stands.
void drawDial(QPainter& painter, QPointF centre, qreal radius, std::optional<double> fraction, const QColor& ink,
              const QColor& ground);

} // namespace lariat
