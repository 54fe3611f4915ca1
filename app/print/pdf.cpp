#include "print/pdf.h"

#include "look/fonts.h"
#include "look/look.h"
#include "look/text.h"
#include "model/file.h"

#include <QBuffer>
#include <QFontMetricsF>
#include <QGuiApplication>
#include <QPageLayout>
#include <QPageSize>
#include <QPainter>
#include <QPdfWriter>

#include <algorithm>
#include <functional>
#include <memory>

namespace lariat {
namespace {

constexpr int kDpi = 120;
constexpr qreal kMargin = 60;
constexpr std::size_t kMostPages = 64; ///< that a preview shows

/// Lays out the sheet from top to bottom, starting a new page where the next piece does not fit.
class Printer {
  public:
    /// `newPage` is called between two pages and leaves the painter on the next one.
    Printer(const Sheet& sheet, QPainter& painter, QSizeF page, std::function<void()> newPage)
        : sheet_(sheet), painter_(painter), newPage_(std::move(newPage)), width_(page.width() - 2 * kMargin),
          bottom_(page.height() - kMargin), y_(kMargin) {}

    void print() {
        head();
        chart();
        cables();
        knobs();
        pattern();
        lines(spoken(say("Scenes")), sheet_.scenes);
        for (const SheetLine& table : sheet_.tables) lines(q(table.name), table.steps);
        lines(spoken(say("Should read at the way out")), sheet_.expect);
        lines(spoken(say("Behind the panel")), sheet_.normals);
        lines(spoken(say("Findings still open")), sheet_.findings);
        lines(spoken(say("Found, and meant")), sheet_.kept);
        counts();
        foot();
    }

  private:
    /// Without the font's alternates for signs between figures: a reader of the PDF finds no letter behind those.
    static QFont plain(QFont font) {
        font.setStyleStrategy(QFont::PreferNoShaping);
        return font;
    }
    /// In the language of the sheet.
    [[nodiscard]] QString spoken(const Sentence& sentence) const { return q(sheet_.speak(sentence)); }
    void font(int pixels, bool strong = false) { painter_.setFont(plain(textFont(pixels, strong))); }
    void ink(const QColor& colour = Look::light().ink) { painter_.setPen(colour); }

    void room(qreal height) {
        if (y_ + height <= bottom_) return;
        foot();
        newPage_();
        ++page_;
        y_ = kMargin;
    }
    void foot() {
        font(14);
        ink(Look::light().softInk);
        painter_.drawText(QRectF(kMargin, bottom_ + 14, width_, 24), Qt::AlignRight,
                          spoken(say("{} · page {}", sheet_.title, page_)));
    }
    /// Text over the full width; returns nothing, moves down.
    void paragraph(const QString& text, int pixels, bool strong = false, qreal left = 0) {
        font(pixels, strong);
        const QRectF box(kMargin + left, 0, width_ - left, 4000);
        const qreal height = painter_.boundingRect(box, Qt::TextWordWrap, text).height();
        room(height);
        ink();
        painter_.drawText(QRectF(box.left(), y_, box.width(), height), Qt::TextWordWrap, text);
        y_ += height + pixels * 0.35;
    }
    void heading(const QString& text, qreal keepWith) {
        room(50 + keepWith);
        y_ += 16;
        paragraph(text, 22, true);
    }
    void lines(const QString& title, const std::vector<std::string>& list) {
        if (list.empty()) return;
        heading(title, 30);
        for (const std::string& line : list) paragraph(QStringLiteral("·  ") + q(line), 16);
    }

    void head() {
        paragraph(q(sheet_.title), 40, true);
        paragraph(q(summary(sheet_)), 17);
        if (!sheet_.about.empty()) paragraph(q(sheet_.about), 17);
        lines(spoken(say("Cautions")), sheet_.cautions);
    }

    void chartHead(qreal left, qreal gap) {
        font(14, true);
        for (std::size_t p = 0; p < sheet_.posts.size(); ++p) {
            const qreal x = left + gap * (static_cast<qreal>(p) + 0.5);
            const qreal shift = p % 2 == 0 ? 0 : 34;
            ink();
            painter_.drawText(QRectF(x - gap, y_ + shift, 2 * gap, 34), Qt::AlignHCenter | Qt::AlignBottom,
                              q(sheet_.posts[p].name));
            painter_.setPen(QPen(Look::light().line, 3));
            painter_.drawLine(QPointF(x, y_ + shift + 38), QPointF(x, y_ + 74));
        }
        y_ += 74;
    }

    void chart() {
        if (sheet_.posts.empty() || sheet_.rows.empty()) return;
        heading(spoken(say("Cable chart")), 240);
        const qreal left = kMargin + 70;
        const qreal readings = 230;
        const qreal gap = (width_ - 70 - readings) / static_cast<qreal>(sheet_.posts.size());
        chartHead(left, gap);
        std::string headingNow;
        constexpr qreal rowHeight = 40;
        for (const SheetRow& row : sheet_.rows) {
            const bool newHeading = row.heading != headingNow;
            if (y_ + rowHeight + (newHeading ? 34 : 0) > bottom_) {
                room(1e6);
                chartHead(left, gap);
            }
            if (newHeading) {
                headingNow = row.heading;
                painter_.fillRect(QRectF(kMargin, y_ + 4, width_, 26), Look::light().panel);
                font(15, true);
                ink();
                painter_.drawText(QRectF(kMargin + 8, y_ + 4, width_, 26), Qt::AlignVCenter, q(row.heading));
                y_ += 34;
            }
            painter_.setPen(QPen(Look::light().line, 3));
            for (std::size_t p = 0; p < sheet_.posts.size(); ++p) {
                const qreal x = left + gap * (static_cast<qreal>(p) + 0.5);
                painter_.drawLine(QPointF(x, y_), QPointF(x, y_ + rowHeight));
            }
            chartRow(row, left, gap, rowHeight);
            y_ += rowHeight;
        }
    }

    void label(const QRectF& box, int align, const std::string& text) {
        font(13);
        const QRectF exact = painter_.boundingRect(box, align, q(text));
        painter_.fillRect(exact.adjusted(-3, 0, 3, 0), Qt::white);
        ink();
        painter_.drawText(box, align, q(text));
    }

    void chartRow(const SheetRow& row, qreal left, qreal gap, qreal height) {
        const QColor colour = Look::light().kind(row.kind);
        const qreal x1 = left + gap * (static_cast<qreal>(row.fromPost) + 0.5);
        const qreal x2 = left + gap * (static_cast<qreal>(row.toPost) + 0.5);
        const int direction = x2 >= x1 ? 1 : -1;
        const qreal middle = y_ + height / 2;
        QRectF box(std::min(x1, x2) + 8, y_ + 5, std::abs(x2 - x1) - 18, height - 10);
        if (direction < 0) box.translate(4, 0);
        painter_.fillRect(box, Qt::white);
        if (box.width() > 4) {
            float low = 0.0f;
            float high = 0.0f;
            for (const MinMax& c : row.trace) {
                low = std::min(low, c.min);
                high = std::max(high, c.max);
            }
            drawTrace(painter_, box, row.trace, rangeFor(row.kind, low, high), row.kind, colour);
        }
        drawStartMark(painter_, {x1, middle}, colour);
        drawEndMark(painter_, {x2, middle}, row.kind, direction, colour);
        const QRectF before(x1 - direction * 12 - (direction > 0 ? 200 : 0), y_, 200, height);
        const QRectF behind(x2 + direction * 8 - (direction > 0 ? 0 : 200), y_, 200, height);
        const int toLeft = Qt::AlignVCenter | Qt::AlignRight;
        const int toRight = Qt::AlignVCenter | Qt::AlignLeft;
        label(before, direction > 0 ? toLeft : toRight, row.fromJack);
        label(behind, direction > 0 ? toRight : toLeft, row.toJack);
        font(15, true);
        ink();
        painter_.drawText(QRectF(kMargin, y_, 30, height), Qt::AlignVCenter | Qt::AlignRight,
                          QString::number(row.number));
        painter_.setFont(plain(figureFont(14)));
        painter_.drawText(QRectF(kMargin + width_ - 220, y_ + 2, 220, height / 2), Qt::AlignRight | Qt::AlignVCenter,
                          q(row.range));
        ink(Look::light().softInk);
        font(13);
        painter_.drawText(QRectF(kMargin + width_ - 220, y_ + height / 2 - 2, 220, height / 2),
                          Qt::AlignRight | Qt::AlignVCenter, q(row.detail));
    }

    void tableRow(const std::vector<std::pair<QString, qreal>>& cells, bool strong) {
        font(15, strong);
        qreal height = 0;
        qreal x = kMargin;
        for (const auto& [text, part] : cells)
            height = std::max(
                height, painter_.boundingRect(QRectF(0, 0, part * width_ - 10, 4000), Qt::TextWordWrap, text).height());
        room(height + 8);
        font(15, strong);
        for (const auto& [text, part] : cells) {
            ink();
            painter_.drawText(QRectF(x, y_, part * width_ - 10, height), Qt::TextWordWrap, text);
            x += part * width_;
        }
        y_ += height + 3;
        painter_.setPen(QPen(Look::light().line, 1));
        painter_.drawLine(QPointF(kMargin, y_), QPointF(kMargin + width_, y_));
        y_ += 5;
    }

    void cables() {
        heading(spoken(say("Cables in build order")), 60);
        const auto row = [&](const QString& n, const QString& from, const QString& to, const QString& cable,
                             const QString& reads, const QString& note, bool strong) {
            tableRow({{n, 0.04}, {from, 0.17}, {to, 0.17}, {cable, 0.12}, {reads, 0.24}, {note, 0.26}}, strong);
        };
        const auto head = [&] {
            row(spoken(say("Row")), spoken(say("From")), spoken(say("To")), spoken(say("Cable")),
                spoken(say("Should read")), spoken(say("Note")), true);
        };
        head();
        for (const SheetRow& r : sheet_.rows) {
            if (y_ + 40 > bottom_) {
                room(1e6);
                head();
            }
            row(QString::number(r.number), q(r.from), q(r.to), q(r.length + " " + r.colour),
                q(r.detail.empty() ? r.range : r.range + ", " + r.detail),
                q(r.note) + (r.late ? QStringLiteral(" (%1)").arg(spoken(say("closes a loop"))) : QString()), false);
        }
    }

    void knobs() {
        heading(spoken(say("Knobs")), 160);
        for (const SheetPost& post : sheet_.posts) {
            if (post.knobs.empty()) continue;
            room(190);
            paragraph(q(post.name) + QStringLiteral(" · ") + q(post.module) +
                          (post.place.empty() ? QString() : QStringLiteral(", ") + q(post.place)),
                      16, true);
            if (!post.note.empty()) paragraph(q(post.note), 13, false);
            constexpr qreal cellWidth = 140;
            const int perRow = static_cast<int>(width_ / cellWidth);
            for (std::size_t k = 0; k < post.knobs.size(); ++k) {
                const int column = static_cast<int>(k) % perRow;
                if (column == 0 && k > 0) y_ += 118;
                if (column == 0) room(118);
                knob(post.knobs[k], kMargin + cellWidth * column, cellWidth);
            }
            y_ += 124;
        }
    }

    void knob(const SheetKnob& knob, qreal x, qreal width) {
        const QPointF centre(x + width / 2, y_ + 30);
        if (knob.isSwitch) {
            painter_.setPen(QPen(Look::light().ink, 1.5));
            painter_.setBrush(Qt::white);
            painter_.drawRoundedRect(QRectF(centre.x() - 26, centre.y() - 12, 52, 24), 12, 12);
            painter_.setBrush(knob.unknown ? Qt::NoBrush
                                           : QBrush(Look::light().ink)); // of an unknown one, only where it is tried
            painter_.drawEllipse(QPointF(centre.x() - 14 + 28 * knob.fraction, centre.y()), 8, 8);
        } else {
            drawDial(painter_, centre, 26, knob.unknown ? std::nullopt : std::optional(knob.fraction),
                     Look::light().ink, Qt::white);
        }
        ink();
        font(14, true);
        painter_.drawText(QRectF(x, y_ + 60, width, 20), Qt::AlignHCenter, q(knob.name));
        font(13);
        painter_.drawText(QRectF(x + 4, y_ + 78, width - 8, 36), Qt::AlignHCenter | Qt::TextWordWrap,
                          q((knob.hand.empty() ? knob.value : knob.value + " · " + knob.hand) +
                            (knob.note.empty() ? "" : "\n" + knob.note)));
    }

    void pattern() {
        if (sheet_.pattern.empty()) return;
        heading(spoken(say("Pattern")), 60);
        for (const SheetLine& line : sheet_.pattern) {
            room(34);
            font(15, true);
            ink();
            painter_.drawText(QRectF(kMargin, y_, 120, 30), Qt::AlignVCenter, q(line.name));
            const qreal cell = (width_ - 120) / static_cast<qreal>(std::max<std::size_t>(16, line.steps.size()));
            for (std::size_t i = 0; i < line.steps.size(); ++i) {
                const QRectF box(kMargin + 120 + cell * static_cast<qreal>(i), y_, cell - 3, 28);
                painter_.setPen(QPen(Look::light().line, 1));
                painter_.setBrush(line.steps[i] == "x" ? QBrush(Look::light().kind(SignalKind::Gate))
                                                       : QBrush(Qt::white));
                painter_.drawRect(box);
                ink();
                font(13);
                if (line.steps[i] != "x" && line.steps[i] != "·")
                    painter_.drawText(box, Qt::AlignCenter, q(line.steps[i]));
            }
            y_ += 34;
        }
    }

    void counts() {
        heading(spoken(say("Cables needed")), 60);
        for (const SheetCount& count : sheet_.cables)
            paragraph(spoken(say("{} × {} ({} in the bag)", count.count, count.what, count.owned)), 16);
    }

    const Sheet& sheet_;
    QPainter& painter_;
    std::function<void()> newPage_;
    qreal width_;
    qreal bottom_;
    qreal y_;
    int page_ = 1;
};

} // namespace

std::vector<QImage> drawPages(const Sheet& sheet) {
    constexpr QSize size(1403, 992); // A4 across at kDpi
    std::vector<QImage> pages;
    QPainter painter;
    const auto turn = [&] {
        if (painter.isActive()) painter.end();
        pages.emplace_back(size, QImage::Format_RGB32);
        pages.back().fill(Qt::white);
        painter.begin(&pages.back());
    };
    pages.reserve(kMostPages); // the painter holds on to the page it draws
    turn();
    Printer(sheet, painter, size, [&] {
        if (pages.size() < kMostPages) turn();
    }).print();
    painter.end();
    return pages;
}

Result<void> writePdf(const Sheet& sheet, const std::filesystem::path& file) {
    std::unique_ptr<QGuiApplication> own;
    static int argc = 1;
    static char name[] = "lariat";
    static char* argv[] = {name, nullptr};
    if (!QCoreApplication::instance()) {
        qputenv("QT_QPA_PLATFORM", "offscreen");
        own = std::make_unique<QGuiApplication>(argc, argv);
    }
    loadFonts();
    QBuffer buffer;
    buffer.open(QIODevice::WriteOnly);
    {
        QPdfWriter writer(&buffer);
        writer.setPageLayout(QPageLayout(QPageSize(QPageSize::A4), QPageLayout::Landscape, QMarginsF(0, 0, 0, 0)));
        writer.setResolution(kDpi);
        writer.setTitle(q(sheet.title));
        writer.setCreator(QStringLiteral("Lariat"));
        QPainter painter(&writer);
        Printer(sheet, painter, QSizeF(writer.width(), writer.height()), [&] { writer.newPage(); }).print();
    }
    return writeFile(file, {buffer.data().constData(), static_cast<std::size_t>(buffer.data().size())}, FileKind::Pdf);
}

} // namespace lariat
