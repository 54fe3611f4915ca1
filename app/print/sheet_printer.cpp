#include "print/sheet_printer.h"

#include "look/fonts.h"
#include "look/look.h"
#include "look/text.h"
#include "print/plot_picture.h"

#include <QFontMetricsF>
#include <QImage>

#include <algorithm>
#include <set>

namespace lariat {
namespace {

constexpr qreal kMargin = 60;
constexpr qreal kChartLeft = 70; ///< for the rows' numbers
constexpr qreal kChartReadings = 230;
constexpr qreal kUprightGap = 74; ///< between posts: from there on their names stand level
constexpr qreal kSlantedHead = 110;
constexpr qreal kLevelHead = 74;
constexpr double kSmallest = 0.5; ///< that one page is made small

class Printer {
  public:
    Printer(const Sheet& sheet, const SheetSettings& settings, QPainter& painter, QSizeF page, qreal scale,
            std::function<void()> newPage)
        : sheet_(sheet), settings_(settings), painter_(painter), newPage_(std::move(newPage)), scale_(scale),
          width_(page.width() / scale - 2 * kMargin), bottom_(page.height() / scale - kMargin) {
        painter_.scale(scale_, scale_);
    }

    [[nodiscard]] const std::vector<Bookmark>& headings() const { return headings_; }
    /// How many pages it took.
    int print() {
        switch (settings_.layout) {
        case SheetLayout::OnePage:
            onePage();
            break;
        case SheetLayout::Workbook:
            workbook();
            break;
        case SheetLayout::Archive:
            archive();
            break;
        }
        foot();
        return page_;
    }

    qreal chartAlone() {
        y_ = 8;
        bottom_ = 1e9;
        chartRows(0, width_ + 2 * kMargin, 40, kChartReadings);
        return y_ + 8;
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
    [[nodiscard]] QColor colourOf(SignalKind kind) const {
        return settings_.colour ? Look::light().kind(kind) : Look::light().ink;
    }
    [[nodiscard]] QColor panel() const { return settings_.colour ? Look::light().panel : QColor(0xE6, 0xE6, 0xE6); }

    // Pages.

    void room(qreal height) {
        if (y_ + height <= bottom_ || y_ <= kMargin) return;
        turn();
    }
    void turn() {
        foot();
        newPage_();
        painter_.scale(scale_, scale_);
        ++page_;
        y_ = kMargin;
    }
    void foot() {
        font(14);
        ink(Look::light().softInk);
        const QString text = spoken(say("{} · page {}", sheet_.title, page_));
        painter_.drawText(QRectF(kMargin, bottom_ + 14, width_, 24), Qt::AlignRight,
                          painter_.fontMetrics().elidedText(text, Qt::ElideMiddle, static_cast<int>(width_)));
    }

    // Text.

    qreal heightOf(const QString& text, int pixels, bool strong, qreal width) {
        font(pixels, strong);
        return painter_.boundingRect(QRectF(0, 0, width, 4000), Qt::TextWordWrap, text).height();
    }
    /// Text over the full width, or a part of it.
    void paragraph(const QString& text, int pixels, bool strong = false, qreal left = 0, qreal width = 0) {
        const qreal across = width > 0 ? width : width_ - left;
        const qreal height = heightOf(text, pixels, strong, across);
        room(height);
        font(pixels, strong);
        ink();
        painter_.drawText(QRectF(kMargin + left, y_, across, height), Qt::TextWordWrap, text);
        y_ += height + pixels * 0.35;
    }
    /// Stays together with what follows, if that is so high.
    void heading(const QString& text, qreal keepWith, int pixels = 22, bool under = false) {
        room(2.0 * pixels + keepWith);
        headings_.push_back({text.toStdString(), page_, y_ / (bottom_ + kMargin), under});
        y_ += 0.7 * pixels;
        paragraph(text, pixels, true);
    }
    void lists(bool before, int pixels) {
        for (const SheetList& list : listsOf(sheet_, settings_)) {
            if ((list.part < SheetPart::Chart) != before) continue;
            const auto line = [&](const std::string& text) { return QStringLiteral("·  ") + q(text); };
            heading(q(list.heading), heightOf(line(list.lines.front()), pixels, false, width_) + 8, pixels + 5);
            for (const std::string& text : list.lines) paragraph(line(text), pixels);
        }
    }
    void head(int title, int text) {
        paragraph(q(sheet_.title), title, true);
        paragraph(q(summary(sheet_)), text);
        if (!sheet_.about.empty()) paragraph(q(sheet_.about), text);
    }

    // Layouts.

    void archive() {
        head(40, 17);
        lists(true, 16);
        if (settings_.has(SheetPart::Chart) && !sheet_.rows.empty()) {
            heading(spoken(partName(SheetPart::Chart)), 240);
            chartRows(kMargin, width_, 40, kChartReadings);
        }
        if (settings_.has(SheetPart::Cables) && !sheet_.rows.empty()) cables();
        if (settings_.has(SheetPart::Knobs)) knobs();
        pattern();
        sound();
        answers();
        lists(false, 16);
    }

    /// The chart at the left, small dials in two columns at the right, steps and the little that else matters below.
    void onePage() {
        head(30, 15);
        lists(true, 14);
        const qreal top = y_ + 4;
        const bool dials = settings_.has(SheetPart::Knobs);
        const bool rows = settings_.has(SheetPart::Chart) || settings_.has(SheetPart::Cables);
        const bool beside = dials && rows && width_ > 900;
        const qreal side = beside ? 300 : width_;
        y_ = top;
        if (rows && !sheet_.rows.empty()) chartRows(kMargin, beside ? width_ - side - 24 : width_, 30, 250);
        const qreal under = y_;
        const int pageOfRows = page_;
        if (dials) {
            if (beside && page_ == 1) y_ = top;
            smallDials(beside && page_ == 1 ? kMargin + width_ - side : kMargin, side, beside ? 2 : 4);
        }
        if (page_ == pageOfRows) y_ = std::max(y_, under);
        pattern();
        sound();
        answers();
        lists(false, 14);
    }

    /// One voice after another, each cable with a box to tick, what to turn before it, what to read behind it.
    void workbook() {
        head(40, 19);
        lists(true, 18);
        std::vector<std::string> voices;
        for (const SheetRow& row : sheet_.rows)
            if (std::ranges::find(voices, row.voice) == voices.end()) voices.push_back(row.voice);
        std::set<std::size_t> turned;
        for (const std::string& voice : voices) {
            heading(voice.empty() ? spoken(say("Cables")) : q(voice), 160, 28);
            std::string step;
            for (const SheetRow& row : sheet_.rows) {
                if (row.voice != voice) continue;
                if (row.heading != step && row.heading != voice) heading(q(row.heading), 120, 20, true);
                step = row.heading;
                for (const std::size_t post : {row.fromPost, row.toPost})
                    if (settings_.has(SheetPart::Knobs) && turned.insert(post).second) toTurn(sheet_.posts[post]);
                if (settings_.has(SheetPart::Cables)) tick(row);
            }
        }
        if (settings_.has(SheetPart::Knobs))
            for (std::size_t p = 0; p < sheet_.posts.size(); ++p)
                if (turned.insert(p).second) toTurn(sheet_.posts[p]);
        pattern();
        sound();
        answers();
        lists(false, 17);
    }

    void tick(const SheetRow& row) {
        const QString line = QStringLiteral("%1  %2 → %3").arg(row.number).arg(q(row.from), q(row.to));
        QStringList about;
        if (!row.length.empty()) about << q(row.length + " " + row.colour);
        about << spoken(say("should read {}", row.detail.empty() ? row.range : row.range + ", " + row.detail));
        if (row.late) about << spoken(say("closes a loop"));
        if (!row.note.empty()) about << q(row.note);
        const QString second = about.join(QStringLiteral(" · "));
        const qreal height = heightOf(line, 20, true, width_ - 44) + heightOf(second, 16, false, width_ - 44) + 14;
        room(height);
        painter_.setPen(QPen(Look::light().ink, 2));
        painter_.setBrush(Qt::NoBrush);
        painter_.drawRect(QRectF(kMargin + 2, y_ + 3, 20, 20));
        paragraph(line, 20, true, 44);
        y_ -= 4;
        paragraph(second, 16, false, 44);
        y_ += 4;
    }

    /// The dials of a post that somebody has to turn.
    void toTurn(const SheetPost& post) {
        std::vector<const SheetKnob*> all;
        for (const SheetKnob& knob : post.knobs)
            if (settings_.everyKnob() || knob.matters()) all.push_back(&knob);
        if (all.empty() && post.note.empty()) return;
        room(180);
        paragraph(spoken(say("Set {} · {}", post.name, post.module)) +
                      (post.place.empty() ? QString() : QStringLiteral(", ") + q(post.place)),
                  16, true, 44);
        if (!post.note.empty()) paragraph(q(post.note), 14, false, 44);
        dialRow(all, 44);
    }

    // The chart.

    void chartHead(qreal left, qreal gap) {
        const bool slanted = gap < kUprightGap;
        const qreal height = slanted ? kSlantedHead : kLevelHead;
        for (std::size_t p = 0; p < sheet_.posts.size(); ++p) {
            const qreal x = left + gap * (static_cast<qreal>(p) + 0.5);
            ink();
            font(14, true);
            const QString name = q(sheet_.posts[p].name);
            painter_.save();
            if (slanted) { // from the post up to the right
                painter_.translate(x, y_ + height - 6);
                painter_.rotate(-52);
                painter_.drawText(QRectF(2, -10, 128, 20), Qt::AlignVCenter,
                                  painter_.fontMetrics().elidedText(name, Qt::ElideRight, 126));
            } else {
                painter_.drawText(QRectF(x - gap / 2 + 2, y_, gap - 4, height - 8),
                                  Qt::AlignHCenter | Qt::AlignBottom | Qt::TextWordWrap, name);
            }
            painter_.restore();
        }
        y_ += height;
    }

    void chartRows(qreal x, qreal width, qreal rowHeight, qreal readings) {
        if (sheet_.posts.empty()) return;
        const qreal left = x + kChartLeft;
        const qreal gap = (width - kChartLeft - readings) / static_cast<qreal>(sheet_.posts.size());
        const bool small = rowHeight < 36;
        chartHead(left, gap);
        std::string headingNow;
        for (const SheetRow& row : sheet_.rows) {
            const bool newHeading = row.heading != headingNow;
            if (y_ + rowHeight + (newHeading ? 30 : 0) > bottom_) {
                turn();
                chartHead(left, gap);
            }
            if (newHeading) {
                headingNow = row.heading;
                painter_.fillRect(QRectF(x, y_ + 3, width, 22), panel());
                font(14, true);
                ink();
                painter_.drawText(
                    QRectF(x + 8, y_ + 3, width - 16, 22), Qt::AlignVCenter,
                    painter_.fontMetrics().elidedText(q(row.heading), Qt::ElideRight, static_cast<int>(width - 16)));
                y_ += 28;
            }
            painter_.setPen(QPen(Look::light().line, 2));
            for (std::size_t p = 0; p < sheet_.posts.size(); ++p) {
                const qreal post = left + gap * (static_cast<qreal>(p) + 0.5);
                painter_.drawLine(QPointF(post, y_), QPointF(post, y_ + rowHeight));
            }
            chartRow(row, x, width, left, gap, rowHeight, readings, small);
            y_ += rowHeight;
        }
    }

    /// A jack's word on white, beside its mark, inside what the chart's posts take up.
    void label(qreal at, bool rightOf, qreal middle, const std::string& text, qreal from, qreal to) {
        font(13);
        const QFontMetricsF metrics(painter_.font(), painter_.device());
        const qreal width = metrics.horizontalAdvance(q(text)) + 1;
        QRectF box(rightOf ? at : at - width, middle - metrics.height() / 2, width, metrics.height());
        if (box.left() < from) box.moveLeft(from);
        if (box.right() > to) box.moveRight(to);
        painter_.fillRect(box.adjusted(-2, 1, 2, -1), Qt::white);
        ink();
        painter_.drawText(box, Qt::AlignCenter | Qt::TextSingleLine, q(text));
    }

    void chartRow(const SheetRow& row, qreal x, qreal width, qreal left, qreal gap, qreal height, qreal readings,
                  bool small) {
        const QColor colour = colourOf(row.kind);
        const qreal x1 = left + gap * (static_cast<qreal>(row.fromPost) + 0.5);
        const qreal x2 = left + gap * (static_cast<qreal>(row.toPost) + 0.5);
        const int direction = x2 >= x1 ? 1 : -1;
        const qreal middle = y_ + height / 2;
        QRectF box(std::min(x1, x2) + 8, y_ + 4, std::abs(x2 - x1) - 18, height - 8);
        if (direction < 0) box.translate(4, 0);
        if (box.width() > 4) {
            painter_.fillRect(box, Qt::white);
            float low = 0.0F;
            float high = 0.0F;
            for (const MinMax& c : row.trace) {
                low = std::min(low, c.min);
                high = std::max(high, c.max);
            }
            drawTrace(painter_, box, row.trace, rangeFor(row.kind, low, high), row.kind, colour);
        }
        drawStartMark(painter_, {x1, middle}, colour);
        drawEndMark(painter_, {x2, middle}, row.kind, direction, colour);
        const qreal from = left - 36;
        const qreal to = x + width - readings + 40;
        label(x1 - direction * 12, direction < 0, middle, row.fromJack, from, to);
        label(x2 + direction * 8, direction > 0, middle, row.toJack, from, to);
        font(15, true);
        ink();
        painter_.drawText(QRectF(x, y_, 28, height), Qt::AlignVCenter | Qt::AlignRight, QString::number(row.number));
        const qreal across = readings - 46;
        const auto right = [&](qreal y, const QString& text, const QFont& used, const QColor& pen) {
            painter_.setFont(plain(used));
            ink(pen);
            painter_.drawText(QRectF(x + width - across, y, across, height / 2 + 2), Qt::AlignRight | Qt::AlignVCenter,
                              painter_.fontMetrics().elidedText(text, Qt::ElideRight, static_cast<int>(across)));
        };
        const QString cable = q(row.length.empty() ? row.colour : row.length + " " + row.colour);
        if (small) { // the cable itself, and what it should read
            right(y_, cable.isEmpty() ? q(row.range) : cable + QStringLiteral(" · ") + q(row.range), figureFont(12),
                  Look::light().ink);
            right(y_ + height / 2 - 2, q(row.detail), textFont(12), Look::light().softInk);
        } else {
            right(y_ + 1, q(row.range), figureFont(14), Look::light().ink);
            right(y_ + height / 2 - 2, q(row.detail), textFont(13), Look::light().softInk);
        }
    }

    // The list of cables.

    void tableRow(const std::vector<std::pair<QString, qreal>>& cells, bool strong) {
        qreal height = 0;
        for (const auto& [text, part] : cells)
            height = std::max(height, heightOf(text, 15, strong, part * width_ - 10));
        room(height + 8);
        font(15, strong);
        qreal x = kMargin;
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
        heading(spoken(partName(SheetPart::Cables)), 80);
        const auto row = [&](const QString& n, const QString& from, const QString& to, const QString& cable,
                             const QString& reads, const QString& note, bool strong) {
            tableRow({{n, 0.05}, {from, 0.17}, {to, 0.17}, {cable, 0.12}, {reads, 0.24}, {note, 0.25}}, strong);
        };
        const auto head = [&] {
            row(spoken(say("Row")), spoken(say("From")), spoken(say("To")), spoken(say("Cable")),
                spoken(say("Should read")), spoken(say("Note")), true);
        };
        head();
        for (const SheetRow& r : sheet_.rows) {
            if (y_ + 60 > bottom_) {
                turn();
                head();
            }
            row(QString::number(r.number), q(r.from), q(r.to), q(r.length + " " + r.colour),
                q(r.detail.empty() ? r.range : r.range + ", " + r.detail),
                q(r.note) + (r.late ? QStringLiteral(" (%1)").arg(spoken(say("closes a loop"))) : QString()), false);
        }
    }

    // Knobs.

    void knobs() {
        heading(spoken(partName(SheetPart::Knobs)), 200);
        for (const SheetPost& post : sheet_.posts) {
            std::vector<const SheetKnob*> all;
            for (const SheetKnob& knob : post.knobs)
                if (settings_.everyKnob() || knob.matters()) all.push_back(&knob);
            if (all.empty()) continue;
            room(190);
            paragraph(q(post.name) + QStringLiteral(" · ") + q(post.module) +
                          (post.place.empty() ? QString() : QStringLiteral(", ") + q(post.place)),
                      16, true);
            if (!post.note.empty()) paragraph(q(post.note), 13);
            dialRow(all, 0);
        }
    }

    void dialRow(const std::vector<const SheetKnob*>& all, qreal left) {
        constexpr qreal cellWidth = 140;
        const auto perRow = std::max<std::size_t>(1, static_cast<std::size_t>((width_ - left) / cellWidth));
        for (std::size_t k = 0; k < all.size(); k += perRow) {
            qreal height = 0;
            const std::size_t end = std::min(all.size(), k + perRow);
            for (std::size_t i = k; i < end; ++i)
                height = std::max(height, heightOf(textOf(*all[i]), 13, false, cellWidth - 8));
            room(height + 84);
            for (std::size_t i = k; i < end; ++i)
                knob(*all[i], kMargin + left + cellWidth * static_cast<qreal>(i - k), cellWidth, height);
            y_ += height + 88;
        }
    }

    static QString textOf(const SheetKnob& knob) {
        QString text = q(knob.hand.empty() ? knob.value : knob.value + " · " + knob.hand);
        for (const std::string& more : {knob.note, knob.idle})
            if (!more.empty()) text += QLatin1Char('\n') + q(more);
        return text;
    }

    void face(const SheetKnob& knob, QPointF centre, qreal radius) {
        const QColor pen = knob.idle.empty() ? Look::light().ink : QColor(0xA8, 0xA8, 0xA4);
        if (knob.isSwitch) {
            painter_.setPen(QPen(pen, 1.5));
            painter_.setBrush(Qt::white);
            painter_.drawRoundedRect(QRectF(centre.x() - radius, centre.y() - 0.46 * radius, 2 * radius, 0.92 * radius),
                                     0.46 * radius, 0.46 * radius);
            painter_.setBrush(knob.unknown ? Qt::NoBrush : QBrush(pen)); // of an unknown one, only where it is tried
            painter_.drawEllipse(QPointF(centre.x() + radius * (-0.54 + 1.08 * knob.fraction), centre.y()),
                                 0.3 * radius, 0.3 * radius);
        } else {
            drawDial(painter_, centre, radius, knob.unknown ? std::nullopt : std::optional(knob.fraction), pen,
                     Qt::white);
        }
    }

    void knob(const SheetKnob& knob, qreal x, qreal width, qreal textHeight) {
        face(knob, {x + width / 2, y_ + 30}, 26);
        ink(knob.idle.empty() ? Look::light().ink : Look::light().softInk);
        font(14, true);
        painter_.drawText(QRectF(x, y_ + 60, width, 20), Qt::AlignHCenter,
                          painter_.fontMetrics().elidedText(q(knob.name), Qt::ElideRight, static_cast<int>(width)));
        font(13);
        painter_.drawText(QRectF(x + 4, y_ + 80, width - 8, textHeight + 4), Qt::AlignHCenter | Qt::TextWordWrap,
                          textOf(knob));
    }

    /// A dial, its name and value in a line, in so many columns; those of a post under its name.
    void smallDials(qreal x, qreal width, int columns) {
        const qreal cell = width / columns;
        constexpr qreal rowHeight = 38;
        for (const SheetPost& post : sheet_.posts) {
            std::vector<const SheetKnob*> all;
            for (const SheetKnob& knob : post.knobs)
                if (knob.matters()) all.push_back(&knob);
            if (all.empty()) continue;
            if (y_ + 22 + rowHeight > bottom_) {
                turn();
            }
            font(13, true);
            ink();
            painter_.drawText(QRectF(x, y_, width, 20), Qt::AlignVCenter,
                              painter_.fontMetrics().elidedText(q(post.name) + QStringLiteral(" · ") + q(post.module),
                                                                Qt::ElideRight, static_cast<int>(width)));
            y_ += 21;
            for (std::size_t k = 0; k < all.size(); ++k) {
                const auto column = static_cast<int>(k) % columns;
                if (column == 0 && k > 0) {
                    y_ += rowHeight;
                    if (y_ + rowHeight > bottom_) turn();
                }
                const SheetKnob& knob = *all[k];
                const qreal at = x + cell * column;
                face(knob, {at + 16, y_ + 17}, 13);
                const auto across = static_cast<int>(cell - 38);
                font(12, true);
                ink();
                painter_.drawText(QRectF(at + 34, y_ + 1, across, 16), Qt::AlignVCenter,
                                  painter_.fontMetrics().elidedText(q(knob.name), Qt::ElideRight, across));
                font(12);
                painter_.drawText(
                    QRectF(at + 34, y_ + 17, across, 16), Qt::AlignVCenter,
                    painter_.fontMetrics().elidedText(
                        q(knob.hand.empty() ? knob.value : knob.hand + " · " + knob.value), Qt::ElideRight, across));
            }
            y_ += rowHeight + 3;
        }
    }

    // Steps, and what it sounds like.

    void pattern() {
        if (!settings_.has(SheetPart::Pattern) || sheet_.pattern.empty()) return;
        const bool small = settings_.layout == SheetLayout::OnePage;
        const qreal height = small ? 24 : 34;
        heading(spoken(partName(SheetPart::Pattern)), 60, small ? 16 : 22);
        for (const SheetLine& line : sheet_.pattern) {
            // Sixteen in a line; a longer one goes on below.
            for (std::size_t from = 0; from < line.steps.size(); from += 16) {
                room(height);
                font(small ? 12 : 15, true);
                ink();
                if (from == 0)
                    painter_.drawText(QRectF(kMargin, y_, 114, height - 4), Qt::AlignVCenter,
                                      painter_.fontMetrics().elidedText(q(line.name), Qt::ElideRight, 112));
                const qreal cell = (width_ - 120) / 16;
                for (std::size_t i = from; i < std::min(line.steps.size(), from + 16); ++i) {
                    const QRectF box(kMargin + 120 + cell * static_cast<qreal>(i - from), y_, cell - 3, height - 5);
                    painter_.setPen(QPen(Look::light().line, 1));
                    const bool accent = line.steps[i] == "X";
                    const bool hit = accent || line.steps[i] == "x";
                    painter_.setBrush(hit ? QBrush(colourOf(SignalKind::Gate)) : QBrush(Qt::white));
                    painter_.drawRect(box);
                    if (accent) // a hit with a cap of its own
                        painter_.fillRect(QRectF(box.left(), box.top() - 3, box.width(), 4), Look::light().ink);
                    ink();
                    font(small ? 12 : 13);
                    if (!hit && line.steps[i] != "·") painter_.drawText(box, Qt::AlignCenter, q(line.steps[i]));
                }
                y_ += height;
            }
        }
    }

    void sound() {
        if (!settings_.has(SheetPart::Sound) || sheet_.figures.empty()) return;
        constexpr qreal height = 70;
        heading(spoken(partName(SheetPart::Sound)), height + 60);
        QStringList figures;
        for (const FigureInfo& info : allFigures())
            if (const auto found = sheet_.figures.find(info.id); found != sheet_.figures.end())
                figures << spoken(figureName(info)) + QLatin1Char(' ') + q(figureText(info, found->second));
        paragraph(figures.join(QStringLiteral(" · ")), 15);
        room(height + 10);
        const QColor colour = colourOf(SignalKind::Audio);
        const qreal half = width_ / 2 - 20;
        painter_.setPen(QPen(colour, 1.6));
        int highest = 1;
        for (const Thumb::Column& c : sheet_.sound.outline) highest = std::max({highest, int{c.high}, -int{c.low}});
        for (std::size_t c = 0; c < kThumbColumns; ++c) {
            const qreal x = kMargin + half * (static_cast<qreal>(c) + 0.5) / static_cast<qreal>(kThumbColumns);
            const Thumb::Column& column = sheet_.sound.outline[c];
            painter_.drawLine(QPointF(x, y_ + height / 2 - height / 2 * column.high / highest - 0.5),
                              QPointF(x, y_ + height / 2 - height / 2 * column.low / highest + 0.5));
        }
        painter_.setPen(Qt::NoPen);
        painter_.setBrush(colour);
        for (std::size_t b = 0; b < kThumbBands; ++b) {
            const qreal cell = half / static_cast<qreal>(kThumbBands);
            const qreal high = height * std::max(0.0, sheet_.sound.bands[b] - 72.0) / 120.0;
            painter_.drawRect(
                QRectF(kMargin + width_ - half + cell * static_cast<qreal>(b), y_ + height - high, cell - 2, high));
        }
        y_ += height + 6;
        font(12);
        ink(Look::light().softInk);
        painter_.drawText(QRectF(kMargin + width_ - half, y_, half, 18), Qt::AlignLeft, QStringLiteral("25 Hz"));
        painter_.drawText(QRectF(kMargin + width_ - half, y_, half, 18), Qt::AlignRight, QStringLiteral("20 kHz"));
        y_ += 20;
    }

    /// What was asked on the Bench: each with its picture and as many figures as have room beside it.
    void answers() {
        if (!settings_.has(SheetPart::Answers) || sheet_.answers.empty()) return;
        bool first = true;
        for (const SheetAnswer& one : sheet_.answers) {
            const auto figures = one.answer ? static_cast<qreal>(one.answer->figures.size()) : 0.0;
            const auto plots = one.answer ? static_cast<qreal>(one.answer->plots.size()) : 0.0;
            const qreal height =
                one.answer ? std::clamp(std::max(22.0 * figures, 130.0 * plots) + 110.0, 300.0, 480.0) : 40.0;
            if (std::exchange(first, false)) heading(spoken(partName(SheetPart::Answers)), height + 40);
            room(height + 30);
            paragraph(q(one.question), 16, true);
            if (one.answer) {
                drawAnswer(painter_, QRectF(kMargin, y_, width_, height), *one.answer, onPaper());
                y_ += height + 8;
            } else {
                paragraph(q(one.sentence), 15);
            }
        }
    }

    const Sheet& sheet_;
    const SheetSettings& settings_;
    QPainter& painter_;
    std::function<void()> newPage_;
    qreal scale_;
    qreal width_;
    qreal bottom_;
    qreal y_ = kMargin;
    int page_ = 1;
    std::vector<Bookmark> headings_;
};

/// A5 is read as near as A4; its letters are smaller, not fewer.
qreal usualScale(const SheetSettings& settings) {
    return settings.paper == Paper::A5 ? 0.75 : 1.0;
}

/// How many pages it takes at that scale.
int pagesAt(const Sheet& sheet, const SheetSettings& settings, QSizeF page, qreal scale) {
    QImage nothing(1, 1, QImage::Format_RGB32);
    nothing.setDotsPerMeterX(qRound(kSheetDpi / 0.0254));
    nothing.setDotsPerMeterY(qRound(kSheetDpi / 0.0254));
    QPainter painter(&nothing);
    return Printer(sheet, settings, painter, page, scale, [&] { painter.resetTransform(); }).print();
}

} // namespace

QSize pageSize(const SheetSettings& settings) {
    const PaperSize paper = sizeOf(settings.paper);
    const auto dots = [](double millimetres) { return qRound(millimetres / 25.4 * kSheetDpi); };
    const QSize upright(dots(paper.width), dots(paper.height));
    return settings.landscape ? upright.transposed() : upright;
}

std::vector<Bookmark> printSheet(const Sheet& sheet, const SheetSettings& settings, QPainter& painter, QSizeF page,
                                 const std::function<void()>& newPage) {
    qreal scale = usualScale(settings);
    if (settings.layout == SheetLayout::OnePage) {
        // As large as goes on one page; if even the smallest does not, on as few as it takes, and nothing is cut.
        const int fewest = pagesAt(sheet, settings, page, kSmallest);
        while (scale > kSmallest && pagesAt(sheet, settings, page, scale) > fewest)
            scale = std::max(kSmallest, scale - 0.05);
    }
    Printer printer(sheet, settings, painter, page, scale, newPage);
    printer.print();
    return printer.headings();
}

qreal printChart(const Sheet& sheet, const SheetSettings& settings, QPainter& painter, qreal width) {
    return Printer(sheet, settings, painter, QSizeF(width, 1e6), 1.0, [] {}).chartAlone();
}

} // namespace lariat
