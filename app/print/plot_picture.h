// The pictures of the Bench: the same paper, traces and marks as the chart; in the window, as SVG and as PNG.
#pragma once

#include "ask/answer.h"
#include "look/look.h"

#include <QImage>
#include <QPainter>
#include <QRectF>

#include <string>
#include <vector>

namespace lariat {

/// The colour that a trace is told by, beside its dashes from the fifth on. Any number; they come round after eight.
QColor traceColour(const Look& look, int track);

/// Where a picture's lines are drawn, and what its places mean.
struct PlotFrame {
    QRectF inner;
    PlotAxis x;
    PlotAxis y;

    [[nodiscard]] double across(double value) const;
    [[nodiscard]] double up(double value) const;
    [[nodiscard]] double xAt(double across) const;
    [[nodiscard]] double yAt(double up) const;
};
/// Of a picture within a rectangle; of one with lanes, the whole of them.
PlotFrame plotFrame(const Plot& plot, const QRectF& rect);
/// A figure with the unit of its axis: "36.8 Hz".
QString axisText(const PlotAxis& axis, double value);

/// Draws one picture, title and all.
void drawPlot(QPainter& painter, const QRectF& rect, const Plot& plot, const Look& look);
/// The rectangles of several below one another, by their shares.
std::vector<QRectF> plotRects(const std::vector<Plot>& plots, const QRectF& whole);

/// Colours of what is printed: on white.
Look onPaper();
/// Sentence, pictures and figures in a rectangle.
void drawAnswer(QPainter& painter, const QRectF& rect, const Answer& answer, const Look& look);
/// The answer on a page: its sentence, its pictures, its figures. Works without a window.
std::string answerSvg(const Answer& answer, const Look& look, QSize size);
QImage answerImage(const Answer& answer, const Look& look, QSize size);

} // namespace lariat
