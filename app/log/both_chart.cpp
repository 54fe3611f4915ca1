#include "log/both_chart.h"

#include "library/meaning.h"
#include "library/tie.h"
#include "look/fonts.h"
#include "look/look.h"
#include "look/text.h"
#include "shell/theme.h"

#include <QMouseEvent>
#include <QPainter>

#include <algorithm>
#include <cmath>

namespace lariat {
namespace {

constexpr int kRow = 22;
constexpr int kTier = 20;
constexpr int kNumbers = 60; ///< rows before and after
constexpr int kSide = 66;    ///< words of jacks beside the outermost posts
constexpr int kOwnLoop = 40;
constexpr int kMostTiers = 4;

} // namespace

BothChart::BothChart(QWidget* parent) : QWidget(parent) {
    setObjectName(QStringLiteral("both"));
    setAccessibleName(tr("Both on one chart"));
    setSizePolicy(QSizePolicy::Expanding, QSizePolicy::Fixed);
}

void BothChart::show(std::shared_ptr<const Patch> before, std::shared_ptr<const Patch> after, const Library& library) {
    before_ = std::move(before);
    after_ = std::move(after);
    library_ = &library;
    marked_ = {};
    markedPost_.clear();
    both_ = after_ ? bothOf(before_ ? *before_ : *after_, *after_, library) : Both{};
    choose();
    layOut();
    QStringList told;
    for (const BothRow& row : both_.rows) {
        const QString ends = wordOf(row.from) + QStringLiteral(" → ") + wordOf(row.to);
        if (row.state == BothRow::State::OnlyBefore) told << tr("only before: %1").arg(ends);
        if (row.state == BothRow::State::OnlyAfter) told << tr("only after: %1").arg(ends);
        if (row.state == BothRow::State::Moved) told << tr("moved: %1, from %2").arg(ends, wordOf(row.was));
    }
    setAccessibleDescription(told.isEmpty() ? tr("No cable is different.") : told.join(QStringLiteral("; ")));
}

void BothChart::showAll(bool all) {
    all_ = all;
    choose();
}

void BothChart::choose() {
    shown_.clear();
    for (std::size_t i = 0; i < both_.rows.size(); ++i)
        if (all_ || both_.rows[i].state != BothRow::State::Same) shown_.push_back(i);
    setVisible(!shown_.empty());
    updateGeometry();
    update();
}

void BothChart::mark(const JackRef& into, const std::string& post) {
    marked_ = into;
    markedPost_ = post;
    update();
}

/// Posts in even steps; as many tiers of names as it takes for them to fit.
void BothChart::layOut() {
    places_.clear();
    const auto count = static_cast<int>(both_.posts.size());
    const qreal room = std::max(1, width() - kNumbers - 2 * kSide);
    for (int i = 0; i < count; ++i)
        places_[both_.posts[static_cast<std::size_t>(i)].id] =
            kNumbers + kSide + (count > 1 ? room * i / (count - 1) : 0.5 * room);
    const qreal step = count > 1 ? room / (count - 1) : room;
    tiers_ = std::clamp(static_cast<int>(std::ceil(84.0 / std::max(1.0, step))), 1, kMostTiers);
}

void BothChart::resizeEvent(QResizeEvent* event) {
    QWidget::resizeEvent(event);
    layOut();
}

QSize BothChart::sizeHint() const {
    return {400, tiers_ * kTier + 10 + static_cast<int>(shown_.size()) * kRow + 6};
}

QRect BothChart::rowRect(int row) const {
    return {0, tiers_ * kTier + 10 + row * kRow, width(), kRow};
}

qreal BothChart::xOf(const std::string& post) const {
    const auto found = places_.find(post);
    return found == places_.end() ? 0.0 : found->second;
}

QString BothChart::wordOf(const JackRef& jack) const {
    const Patch& of = after_ && after_->post(jack.post) ? *after_ : before_ ? *before_ : *after_;
    return library_->jack(of, jack) ? q(tieName(jack, of, *library_)) : q(jack.text());
}

void BothChart::paintRow(QPainter& painter, int index) const {
    const Look& l = look();
    const BothRow& row = both_.rows[shown_[static_cast<std::size_t>(index)]];
    const QRect box = rowRect(index);
    const qreal middle = box.center().y() + 0.5;
    using State = BothRow::State;
    const bool quiet = row.state == State::Same;
    const bool two = before_ != nullptr;
    if (row.to == marked_) painter.fillRect(box, l.card);
    const QColor came = quiet ? l.line : l.accent;
    const auto line = [&](const JackRef& from, const QColor& colour, Qt::PenStyle style, qreal y) {
        const Patch& of = after_->post(from.post) ? *after_ : before_ ? *before_ : *after_;
        const JackInfo* jack = library_->jack(of, from);
        const qreal start = xOf(from.post);
        const bool own = from.post == row.to.post;
        const qreal end = own ? start + kOwnLoop : xOf(row.to.post);
        painter.setPen(QPen(colour, quiet ? 1.4 : 2.2, style));
        painter.drawLine(QPointF(start, y), QPointF(end, y));
        drawStartMark(painter, {start, y}, colour);
        drawEndMark(painter, {own ? start + kOwnLoop : end, y}, jack ? jack->kind : SignalKind::Control,
                    end >= start ? 1 : -1, colour);
    };
    painter.setRenderHint(QPainter::Antialiasing);
    if (row.state == State::OnlyBefore)
        line(row.from, l.alarm, Qt::DashLine, middle);
    else if (row.state == State::Moved) {
        line(row.was, l.alarm, Qt::DashLine, middle - 4);
        line(row.from, came, Qt::SolidLine, middle + 4);
    } else {
        line(row.from, came, Qt::SolidLine, middle);
    }
    painter.setFont(figureFont(13));
    const auto number = [&](int n, int left, const QColor& colour) {
        painter.setPen(colour);
        painter.drawText(QRect(left, box.top(), 24, kRow), Qt::AlignRight | Qt::AlignVCenter,
                         n > 0 ? QString::number(n) : QStringLiteral("–"));
    };
    if (two) number(row.before, 0, quiet ? l.softInk : l.alarm);
    number(row.after, two ? 28 : 0, quiet ? l.softInk : l.accent);
    if (quiet) return;
    // What changed is named; what stays is read off the place it has on the chart.
    painter.setFont(textFont(13));
    painter.setPen(l.ink);
    const auto word = [&](const JackRef& jack, bool leftward) {
        const Patch& of = after_->post(jack.post) ? *after_ : before_ ? *before_ : *after_;
        if (!library_->jack(of, jack)) return;
        const QString text = q(jackWord(of, *library_, jack));
        const qreal x = xOf(jack.post) + (leftward ? -8 : 8);
        const QRectF area(leftward ? x - 200 : x, box.top(), 200, kRow);
        const int align = static_cast<int>(Qt::AlignVCenter | (leftward ? Qt::AlignRight : Qt::AlignLeft));
        painter.fillRect(painter.boundingRect(area, align, text).adjusted(-2, 3, 2, -3),
                         row.to == marked_ ? l.card : l.paper);
        painter.drawText(area, align, text);
    };
    const bool rightward = xOf(row.to.post) >= xOf(row.from.post);
    word(row.from, rightward);
    word(row.to, !rightward);
}

void BothChart::paintEvent(QPaintEvent*) {
    if (!after_ || !library_) return;
    QPainter painter(this);
    const Look& l = look();
    const int top = tiers_ * kTier + 6;
    painter.fillRect(rect(), l.paper);
    for (std::size_t i = 0; i < both_.posts.size(); ++i) {
        const BothPost& post = both_.posts[i];
        using State = BothPost::State;
        const QColor colour = post.state == State::OnlyBefore  ? l.alarm
                              : post.state == State::OnlyAfter ? l.accent
                                                               : l.line;
        const qreal x = xOf(post.id);
        const int tier = static_cast<int>(i) % tiers_;
        painter.setPen(QPen(post.id == markedPost_ ? l.accent : colour, post.id == markedPost_ ? 3 : 1.5,
                            post.state == State::OnlyBefore ? Qt::DashLine : Qt::SolidLine));
        painter.drawLine(QPointF(x, (tier + 1) * kTier), QPointF(x, height() - 6));
    }
    for (int row = 0; row < static_cast<int>(shown_.size()); ++row) paintRow(painter, row);
    const qreal room =
        both_.posts.size() > 1 ? tiers_ * (xOf(both_.posts[1].id) - xOf(both_.posts[0].id)) - 6 : width();
    for (std::size_t i = 0; i < both_.posts.size(); ++i) {
        const BothPost& post = both_.posts[i];
        using State = BothPost::State;
        const int tier = static_cast<int>(i) % tiers_;
        painter.setFont(textFont(13, post.state != State::Same));
        painter.setPen(post.state == State::OnlyBefore                                  ? l.alarm
                       : post.state == State::OnlyAfter || post.state == State::Changed ? l.accent
                                                                                        : l.ink);
        const qreal wide = std::clamp(room, 40.0, 150.0);
        QString name = q(post.name);
        if (post.knobs > 0) name += QStringLiteral(" ·%1").arg(post.knobs);
        const QRectF area(std::clamp(xOf(post.id) - wide / 2, 0.0, std::max(0.0, width() - wide)), tier * kTier, wide,
                          kTier);
        painter.fillRect(area.adjusted(0, 1, 0, -1), l.paper);
        painter.drawText(area, Qt::AlignCenter, QFontMetricsF(painter.font()).elidedText(name, Qt::ElideMiddle, wide));
    }
    painter.setPen(QPen(l.line, 1));
    painter.drawLine(0, top, width(), top);
}

void BothChart::mousePressEvent(QMouseEvent* event) {
    const int row = (event->position().toPoint().y() - tiers_ * kTier - 10) / kRow;
    if (row < 0 || row >= static_cast<int>(shown_.size())) return;
    Q_EMIT chosen(both_.rows[shown_[static_cast<std::size_t>(row)]].to);
}

} // namespace lariat
