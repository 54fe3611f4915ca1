#include "print/plot_picture.h"

#include "look/fonts.h"
#include "look/text.h"
#include "look/trace_image.h"
#include "print/painting.h"

#include <QFontMetricsF>
#include <QPaintEngine>
#include <QPainterPath>

#include <algorithm>
#include <array>
#include <cmath>

namespace lariat {
namespace {

constexpr double kTitle = 24;
constexpr double kLeft = 62;
constexpr double kRight = 14;
constexpr double kFoot = 22;
constexpr double kGap = 8;
constexpr int kText = 13;
constexpr int kSolid = 4; ///< tracks whose lines are whole; those after them are dashed
constexpr int kDash = 6;
constexpr double kMargin = 2.0;  ///< pixels over and under a trace
constexpr std::size_t kMany = 4; ///< lines of one colour; more are drawn faintly

/// Round places along an axis, at most so many.
std::vector<double> ticksOf(const PlotAxis& axis, int most) {
    std::vector<double> out;
    if (!(axis.high > axis.low)) return out;
    if (axis.log && axis.low > 0.0) {
        const double octaves = std::log2(axis.high / axis.low);
        const int first = static_cast<int>(std::floor(std::log10(axis.low)));
        const int last = static_cast<int>(std::floor(std::log10(axis.high)));
        for (int power = first; power <= last; ++power)
            for (const double times : {1.0, 2.0, 5.0}) {
                const double decade = std::pow(10.0, power);
                if (times * decade >= axis.low * 0.999 && times * decade <= axis.high * 1.001)
                    if (octaves < 8.0 || times == 1.0 || most > 8) out.push_back(times * decade);
            }
        if (out.size() >= 2) return out;
        out.clear();
    }
    const double raw = (axis.high - axis.low) / std::max(1, most);
    const double unit = std::pow(10.0, std::floor(std::log10(raw)));
    double step = 10.0 * unit;
    for (const double round : {1.0, 2.0, 2.5, 5.0})
        if (raw <= round * unit * 1.0001) {
            step = round * unit;
            break;
        }
    const double first = std::ceil(axis.low / step - 1e-9);
    for (int n = 0; n <= 2 * most + 2; ++n) {
        const double at = (first + n) * step;
        if (at > axis.high + 1e-9 * step) break;
        out.push_back(std::abs(at) < 1e-9 * step ? 0.0 : at);
    }
    return out;
}

QString number(double value) {
    const double size = std::abs(value);
    if (size >= 10000.0) return QString::number(value / 1000.0, 'g', 3) + QStringLiteral("k");
    return QString::number(value, 'g', size >= 100.0 ? 4 : 3);
}

void drawGrid(QPainter& painter, const PlotFrame& frame, const Plot& plot, const Look& look) {
    const QRectF& in = frame.inner;
    painter.setPen(QPen(look.line, 1));
    painter.setBrush(look.card);
    painter.drawRect(in);
    painter.setFont(textFont(kText));
    const QFontMetricsF metrics(painter.font());
    QColor faint = look.line;
    faint.setAlphaF(0.6f);
    if (plot.bars.empty()) {
        double last = -1e9;
        for (const double at : ticksOf(plot.x, std::max(2, static_cast<int>(in.width() / 90.0)))) {
            const double x = frame.across(at);
            painter.setPen(faint);
            painter.drawLine(QPointF(x, in.top()), QPointF(x, in.bottom()));
            const QString text = axisText(plot.x, at);
            const double half = metrics.horizontalAdvance(text) / 2.0;
            const double left = std::clamp(x - half, in.left() - 8.0, in.right() - 2.0 * half);
            if (left < last + 10.0) continue;
            last = left + 2.0 * half;
            painter.setPen(look.softInk);
            painter.drawText(QRectF(left, in.bottom() + 2, 2.0 * half + 2.0, kFoot - 2), Qt::AlignCenter, text);
        }
    }
    if (plot.lanes) return;
    double last = 1e9;
    for (const double at : ticksOf(plot.y, std::max(2, static_cast<int>(in.height() / 40.0)))) {
        const double y = frame.up(at);
        painter.setPen(faint);
        painter.drawLine(QPointF(in.left(), y), QPointF(in.right(), y));
        if (std::abs(last - y) < metrics.height()) continue;
        last = y;
        painter.setPen(look.softInk);
        const QString text = axisText(plot.y, at);
        painter.drawText(QRectF(in.left() - kLeft, y - 9, kLeft - 6, 18), Qt::AlignRight | Qt::AlignVCenter,
                         metrics.horizontalAdvance(text) < kLeft - 6 ? text : number(at));
    }
}

/// As many columns as there are pixels: each holds all of those that fall into it.
std::vector<MinMax> fitted(const std::vector<MinMax>& columns, std::size_t width) {
    std::vector<MinMax> out;
    out.reserve(width);
    for (std::size_t x = 0; x < width; ++x) {
        const std::size_t begin = x * columns.size() / width;
        MinMax range = columns[begin];
        for (std::size_t c = begin + 1; c < (x + 1) * columns.size() / width; ++c)
            range = {std::min(range.min, columns[c].min), std::max(range.max, columns[c].max)};
        out.push_back(range);
    }
    return out;
}

/// A trace on the screen, pixel column by pixel column: stroking a path of dashes takes fifty times as long.
void drawTraceImage(QPainter& painter, const PlotFrame& frame, const PlotCurve& curve, const QColor& colour, int gap) {
    const auto scale = static_cast<float>(painter.device()->devicePixelRatioF());
    const QRect box = frame.inner.toAlignedRect();
    const QSize size = box.size() * static_cast<double>(scale);
    if (size.width() < 2 || size.height() < 2) return;
    const auto columns = fitted(curve.columns, static_cast<std::size_t>(size.width()));
    // Only the part of it that the trace goes through.
    VoltRange range{columns[0].min, columns[0].max};
    for (const MinMax& column : columns) range = {std::min(range.low, column.min), std::max(range.high, column.max)};
    const int top =
        static_cast<int>(std::floor(scale * (frame.up(static_cast<double>(range.high)) - box.top() - kMargin)));
    const int bottom =
        static_cast<int>(std::ceil(scale * (frame.up(static_cast<double>(range.low)) - box.top() + kMargin)));
    const double perPixel = (frame.y.high - frame.y.low) / size.height();
    range = {static_cast<float>(frame.y.high - bottom * perPixel), static_cast<float>(frame.y.high - top * perPixel)};
    QImage image = traceImage({size.width(), bottom - top}, columns, range, SignalKind::Audio, colour, 1.3f * scale);
    if (gap > 0) { // dashes
        QPainter holes(&image);
        holes.setCompositionMode(QPainter::CompositionMode_Clear);
        const int one = static_cast<int>(std::lround(scale));
        for (int x = kDash * one; x < size.width(); x += (kDash + gap) * one)
            holes.fillRect(x, 0, gap * one, image.height(), Qt::black);
    }
    image.setDevicePixelRatio(static_cast<qreal>(scale));
    painter.drawImage(QPointF(box.left(), box.top() + top / static_cast<double>(scale)), image);
}

void drawCurve(QPainter& painter, const PlotFrame& frame, const PlotCurve& curve, const Look& look, bool faint) {
    QColor colour = curve.alarm ? look.alarm : curve.track < 0 ? look.ink : traceColour(look, curve.track);
    if (faint) colour.setAlphaF(0.35f);
    QPen pen(colour, curve.alarm ? 2.0 : 1.6);
    const int gap = curve.track >= kSolid ? 2 + curve.track - kSolid : 0;
    if (gap > 0) pen.setDashPattern({static_cast<qreal>(kDash), static_cast<qreal>(gap)});
    painter.setPen(pen);
    painter.setBrush(Qt::NoBrush);
    if (!curve.columns.empty() && painter.paintEngine()->type() == QPaintEngine::Raster &&
        painter.transform().type() <= QTransform::TxTranslate) {
        drawTraceImage(painter, frame, curve, colour, gap);
        return;
    }
    if (!curve.columns.empty()) {
        // A stretch for each column, joined to the one before it.
        QPainterPath path;
        const double step = frame.inner.width() / static_cast<double>(curve.columns.size());
        for (std::size_t c = 0; c < curve.columns.size(); ++c) {
            const double x = frame.inner.left() + step * (static_cast<double>(c) + 0.5);
            const QPointF high(x, frame.up(static_cast<double>(curve.columns[c].max)));
            const QPointF low(x, frame.up(static_cast<double>(curve.columns[c].min)));
            c == 0 ? path.moveTo(high) : path.lineTo(high);
            if (low.y() - high.y() > 0.5) path.lineTo(low);
        }
        painter.drawPath(path);
        return;
    }
    QPolygonF line;
    const auto end = [&] {
        if (line.size() == 1) painter.drawPoint(line.front());
        if (line.size() > 1) painter.drawPolyline(line);
        line.clear();
    };
    for (const auto& [x, y] : curve.points) {
        if (std::isnan(y) || std::isnan(x)) {
            end();
            continue;
        }
        line << QPointF(frame.across(static_cast<double>(x)), frame.up(static_cast<double>(y)));
    }
    end();
}

void drawBars(QPainter& painter, const PlotFrame& frame, const Plot& plot, const Look& look) {
    const double step = frame.inner.width() / static_cast<double>(plot.bars.size());
    const double foot = frame.up(plot.y.low < 0.0 && plot.y.unit == "dB" ? plot.y.low : std::max(plot.y.low, 0.0));
    painter.setFont(textFont(kText));
    const QFontMetricsF metrics(painter.font());
    double lastLabel = -1e9;
    for (std::size_t b = 0; b < plot.bars.size(); ++b) {
        const PlotBar& bar = plot.bars[b];
        const QColor colour = bar.alarm ? look.alarm : bar.track < 0 ? look.ink : traceColour(look, bar.track);
        const double width = std::min(64.0, 0.7 * step);
        const double x = frame.inner.left() + step * (static_cast<double>(b) + 0.5);
        const double top = frame.up(bar.value);
        painter.fillRect(QRectF(x - width / 2, std::min(top, foot), width, std::max(1.5, std::abs(foot - top))),
                         colour);
        if (!bar.text.empty()) {
            const QString text = q(bar.text);
            const double half = metrics.horizontalAdvance(text) / 2.0 + 1.0;
            const double left = std::clamp(x - half, frame.inner.left(), frame.inner.right() - 2.0 * half);
            const QRectF place(left, std::max(frame.inner.top() + 1.0, top - 18.0), 2.0 * half, 16);
            painter.fillRect(place, look.card);
            painter.setPen(bar.alarm ? look.alarm : look.ink);
            painter.drawText(place, Qt::AlignCenter, text);
        }
        if (bar.label.empty()) continue;
        const bool wide = step > 46.0;
        const QString label = wide ? metrics.elidedText(q(bar.label), Qt::ElideRight, 3.0 * step) : q(bar.label);
        double half = metrics.horizontalAdvance(label) / 2.0 + 1.0;
        if (wide) half = std::min(half, std::max(step / 2.0 - 3.0, 20.0));
        if (x - half < lastLabel + 2.0) continue;
        lastLabel = x + half;
        painter.setPen(look.softInk);
        painter.drawText(QRectF(x - half, frame.inner.bottom() + 2, 2.0 * half, kFoot - 2), Qt::AlignCenter,
                         metrics.elidedText(label, Qt::ElideRight, 2.0 * half));
    }
}

void drawField(QPainter& painter, const QRectF& rect, const PlotField& field, const Look& look) {
    QImage image(static_cast<int>(field.columns), static_cast<int>(field.rows), QImage::Format_RGB32);
    const auto mix = [](int a, int b, float t) {
        return static_cast<int>(static_cast<float>(a) + t * static_cast<float>(b - a));
    };
    for (std::size_t c = 0; c < field.columns; ++c)
        for (std::size_t r = 0; r < field.rows; ++r) {
            const float level = field.levels[c * field.rows + r];
            image.setPixel(static_cast<int>(c), static_cast<int>(field.rows - 1 - r),
                           qRgb(mix(look.card.red(), look.accent.red(), level),
                                mix(look.card.green(), look.accent.green(), level),
                                mix(look.card.blue(), look.accent.blue(), level)));
        }
    painter.save();
    painter.setRenderHint(QPainter::SmoothPixmapTransform, false);
    painter.drawImage(rect, image);
    painter.restore();
}

void drawMarks(QPainter& painter, const PlotFrame& frame, const Plot& plot, const Look& look) {
    painter.setFont(textFont(kText));
    const QFontMetricsF metrics(painter.font());
    double above = 0.0;
    double lastY = -1e9;
    const double overLine = plot.bars.empty() ? 18.0 : 36.0; // what stands over bars has its place there
    for (const PlotMark& mark : plot.marks) {
        const QColor colour = mark.alarm ? look.alarm : look.softInk;
        painter.setPen(QPen(colour, 1, Qt::DashLine));
        const QString text = said(mark.text);
        if (mark.upright) {
            const double x = frame.across(mark.at);
            if (x < frame.inner.left() - 0.5 || x > frame.inner.right() + 0.5) continue;
            painter.drawLine(QPointF(x, frame.inner.top()), QPointF(x, frame.inner.bottom()));
            painter.setPen(colour);
            const double width = metrics.horizontalAdvance(text) + 4.0;
            const bool right = x + width + 4.0 < frame.inner.right();
            painter.drawText(QRectF(right ? x + 4.0 : x - width - 2.0, frame.inner.top() + 2.0 + above, width, 18),
                             Qt::AlignVCenter, text);
            above = above > 30.0 ? 0.0 : above + 17.0;
        } else {
            const double y = frame.up(mark.at);
            if (y < frame.inner.top() - 0.5 || y > frame.inner.bottom() + 0.5) continue;
            painter.drawLine(QPointF(frame.inner.left(), y), QPointF(frame.inner.right(), y));
            if (std::abs(y - lastY) < metrics.height()) continue;
            lastY = y;
            painter.setPen(colour);
            const double width = metrics.horizontalAdvance(text) + 4.0;
            painter.drawText(QRectF(frame.inner.right() - width - 4.0,
                                    std::clamp(y - overLine, frame.inner.top(), frame.inner.bottom() - 18.0), width,
                                    18),
                             Qt::AlignVCenter, text);
        }
    }
}

/// The names of the traces at the right of the title, each with its colour.
void drawLegend(QPainter& painter, const QRectF& row, const Plot& plot, const Look& look, double from) {
    painter.setFont(textFont(kText));
    const QFontMetricsF metrics(painter.font());
    double right = row.right() - kRight;
    for (auto it = plot.curves.rbegin(); it != plot.curves.rend(); ++it) {
        if (it->name.empty()) continue;
        const QString name = metrics.elidedText(said(it->name), Qt::ElideRight, 220.0);
        const double width = metrics.horizontalAdvance(name);
        if (right - width - 20.0 < from) return;
        const QColor colour = it->alarm ? look.alarm : it->track < 0 ? look.ink : traceColour(look, it->track);
        painter.setPen(colour);
        painter.drawText(QRectF(right - width, row.top(), width + 2.0, row.height()), Qt::AlignVCenter, name);
        painter.setPen(Qt::NoPen);
        painter.setBrush(colour);
        painter.drawRect(QRectF(right - width - 14.0, row.center().y() - 4.0, 8.0, 8.0));
        right -= width + 28.0;
    }
}

} // namespace

QColor traceColour(const Look& look, int track) {
    static const std::array<const char*, 8> kLight = {"#1f4e8c", "#b8401a", "#0f766e", "#7d3c78",
                                                      "#8a6400", "#a02860", "#4a6572", "#5a6b1a"};
    static const std::array<const char*, 8> kDark = {"#7fb0ee", "#f08a66", "#57c2b4", "#cf93ca",
                                                     "#d9b24c", "#ee86b4", "#a9bcc6", "#b3c56a"};
    return QColor(QLatin1String((look.dark ? kDark : kLight)[static_cast<std::size_t>(std::max(0, track)) % 8]));
}

double PlotFrame::across(double value) const {
    return inner.left() + std::clamp(x.part(value), -0.01, 1.01) * inner.width();
}

double PlotFrame::up(double value) const {
    return inner.bottom() - std::clamp(y.part(value), 0.0, 1.0) * inner.height();
}

double PlotFrame::xAt(double across) const {
    return x.at((across - inner.left()) / inner.width());
}

double PlotFrame::yAt(double up) const {
    return y.at((inner.bottom() - up) / inner.height());
}

PlotFrame plotFrame(const Plot& plot, const QRectF& rect) {
    return {QRectF(rect.left() + kLeft, rect.top() + kTitle, std::max(20.0, rect.width() - kLeft - kRight),
                   std::max(20.0, rect.height() - kTitle - kFoot)),
            plot.x, plot.y};
}

QString axisText(const PlotAxis& axis, double value) {
    if (axis.unit == "Hz" && std::abs(value) >= 1000.0)
        return QString::number(value / 1000.0, 'g', 3) + QStringLiteral(" kHz");
    if (axis.unit.empty()) return number(value);
    return number(value) + QStringLiteral(" ") + q(axis.unit);
}

void drawPlot(QPainter& painter, const QRectF& rect, const Plot& plot, const Look& look) {
    painter.save();
    painter.setRenderHint(QPainter::Antialiasing);
    const PlotFrame frame = plotFrame(plot, rect);
    painter.setFont(textFont(kText, true));
    painter.setPen(look.ink);
    const QRectF row(rect.left(), rect.top(), rect.width(), kTitle);
    const QString title = QFontMetricsF(painter.font()).elidedText(said(plot.title), Qt::ElideRight, rect.width() - 8);
    painter.drawText(row, Qt::AlignVCenter, title);
    const double titleEnd = rect.left() + QFontMetricsF(painter.font()).horizontalAdvance(title) + 24.0;
    if (!plot.lanes && plot.curves.size() > 1) drawLegend(painter, row, plot, look, titleEnd);
    drawGrid(painter, frame, plot, look);
    painter.save();
    painter.setClipRect(frame.inner.adjusted(-1, -1, 1, 1));
    if (plot.field.columns > 0) drawField(painter, frame.inner, plot.field, look);
    if (plot.lanes && !plot.curves.empty()) {
        const double height = frame.inner.height() / static_cast<double>(plot.curves.size());
        for (std::size_t c = 0; c < plot.curves.size(); ++c) {
            PlotFrame lane = frame;
            lane.inner.setTop(frame.inner.top() + height * static_cast<double>(c) + 2.0);
            lane.inner.setHeight(height - 4.0);
            painter.setPen(look.line);
            painter.drawLine(QPointF(lane.inner.left(), lane.inner.bottom() + 2.0),
                             QPointF(lane.inner.right(), lane.inner.bottom() + 2.0));
            drawCurve(painter, lane, plot.curves[c], look, false);
            painter.setFont(textFont(kText));
            painter.setPen(traceColour(look, plot.curves[c].track));
            painter.drawText(lane.inner.adjusted(6, 0, -6, 0), Qt::AlignTop | Qt::AlignRight,
                             said(plot.curves[c].name));
        }
    } else {
        std::size_t unnamed = 0;
        for (const PlotCurve& curve : plot.curves) unnamed += curve.name.empty() ? 1 : 0;
        for (const PlotCurve& curve : plot.curves)
            drawCurve(painter, frame, curve, look, curve.name.empty() && unnamed > kMany);
    }
    painter.restore();
    drawMarks(painter, frame, plot, look);
    if (!plot.bars.empty()) drawBars(painter, frame, plot, look);
    if (plot.lanes && !plot.curves.empty()) {
        painter.setFont(textFont(kText));
        painter.setPen(look.softInk);
        const double height = frame.inner.height() / static_cast<double>(plot.curves.size());
        for (std::size_t c = 0; c < plot.curves.size() && height > 34.0; ++c) {
            const double top = frame.inner.top() + height * static_cast<double>(c);
            painter.drawText(QRectF(rect.left(), top, kLeft - 6, 18), Qt::AlignRight | Qt::AlignVCenter,
                             axisText(plot.y, plot.y.high));
            painter.drawText(QRectF(rect.left(), top + height - 18.0, kLeft - 6, 18), Qt::AlignRight | Qt::AlignVCenter,
                             axisText(plot.y, plot.y.low));
        }
    }
    painter.restore();
}

std::vector<QRectF> plotRects(const std::vector<Plot>& plots, const QRectF& whole) {
    std::vector<QRectF> out;
    double shares = 0.0;
    for (const Plot& plot : plots) shares += plot.share;
    double y = whole.top();
    const double room = whole.height() - kGap * static_cast<double>(plots.empty() ? 0 : plots.size() - 1);
    for (const Plot& plot : plots) {
        const double height = room * plot.share / shares;
        out.emplace_back(whole.left(), y, whole.width(), height);
        y += height + kGap;
    }
    return out;
}

Look onPaper() {
    Look look = Look::light();
    look.paper = look.card = Qt::white;
    return look;
}

void drawAnswer(QPainter& painter, const QRectF& rect, const Answer& answer, const Look& look) {
    const QSizeF size = rect.size();
    painter.save();
    painter.translate(rect.topLeft());
    painter.fillRect(QRectF(QPointF(0, 0), size), look.paper);
    painter.setRenderHint(QPainter::Antialiasing);
    const double margin = 16.0;
    const double figures = std::min(360.0, 0.34 * size.width());
    painter.setPen(look.ink);
    painter.setFont(textFont(17, true));
    const QRectF head(margin, margin, size.width() - 2 * margin, 48);
    QRectF used;
    painter.drawText(head, Qt::TextWordWrap | Qt::AlignTop, said(answer.verdict), &used);
    double top = used.bottom() + 4.0;
    QStringList more;
    if (!answer.more.empty()) more << said(answer.more);
    for (const Sentence& one : answer.also) more << said(one);
    if (!more.isEmpty()) {
        painter.setPen(look.softInk);
        painter.setFont(textFont(14));
        painter.drawText(QRectF(margin, top, size.width() - 2 * margin, 40), Qt::TextWordWrap | Qt::AlignTop,
                         more.join(QStringLiteral(" · ")), &used);
        top = used.bottom() + 4.0;
    }
    const QRectF pictures(margin, top + 8.0, size.width() - figures - 3 * margin, size.height() - top - 8.0 - margin);
    const auto rects = plotRects(answer.plots, pictures);
    for (std::size_t p = 0; p < rects.size(); ++p) drawPlot(painter, rects[p], answer.plots[p], look);
    double y = top + 8.0;
    for (const AskedFigure& figure : answer.figures) {
        const QRectF row(size.width() - figures - margin, y, figures, 22);
        if (&figure != &answer.figures.back() && y + 44.0 > size.height() - margin) { // as many as have room
            painter.setFont(textFont(kText));
            painter.setPen(look.softInk);
            painter.drawText(row, Qt::AlignRight | Qt::AlignVCenter, said(say("and more")));
            break;
        }
        painter.setFont(textFont(kText));
        painter.setPen(look.softInk);
        const QString name = figure.track >= 0 && answer.tracks.size() > 1
                                 ? QStringLiteral("%1 %2").arg(figure.track + 1).arg(said(figure.name))
                                 : said(figure.name);
        painter.drawText(row, Qt::AlignVCenter,
                         QFontMetricsF(painter.font()).elidedText(name, Qt::ElideRight, 0.5 * figures));
        painter.setFont(figureFont(kText));
        painter.setPen(figure.bad ? look.alarm : look.ink);
        painter.drawText(row, Qt::AlignRight | Qt::AlignVCenter, q(figure.text));
        y += 22.0;
    }
    painter.restore();
}

std::string answerSvg(const Answer& answer, const Look& look, QSize size) {
    const auto application = applicationForPainting();
    return svgOf(size, said(questionText(answer.question)),
                 [&](QPainter& painter) { drawAnswer(painter, QRectF(QPointF(0, 0), size), answer, look); });
}

QImage answerImage(const Answer& answer, const Look& look, QSize size) {
    const auto application = applicationForPainting();
    QImage image(size, QImage::Format_RGB32);
    QPainter painter(&image);
    drawAnswer(painter, QRectF(QPointF(0, 0), size), answer, look);
    painter.end();
    return image;
}

} // namespace lariat
