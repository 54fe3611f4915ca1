// What the Log place shows of two takes.
#include "log/both_chart.h"
#include "log/log_place.h"
#include "log/pair_picture.h"
#include "look/fonts.h"
#include "look/text.h"
#include "shell/theme.h"
#include "widgets/plain.h"

#include <QSet>

#include <algorithm>

namespace lariat {
namespace {

constexpr std::size_t kRowsAtOnce = 10; ///< of them; then they scroll

int rowHeight() {
    return QFontMetrics(textFont(13)).height() + 10;
}

} // namespace

/// What was unticked stays so, as long as it is about the same two.
void LogPlace::showChanges(bool others) {
    filling_ = true;
    QSet<QString> unticked;
    for (int i = 0; i < changes_->topLevelItemCount() && !others; ++i)
        if (const QTreeWidgetItem* item = changes_->topLevelItem(i); item->checkState(1) == Qt::Unchecked)
            unticked << item->text(1);
    changes_->clear();
    int widest = 0;
    for (const Difference& one : differences_)
        widest = std::max(widest, QFontMetrics(textFont(13)).horizontalAdvance(said(groupName(one.group))));
    changes_->setColumnWidth(0, widest + 12);
    std::optional<Difference::Group> group;
    for (std::size_t i = 0; i < differences_.size() && i < kMostShown; ++i) {
        const Difference& one = differences_[i];
        Difference told = one;
        told.figure = {};
        auto* item = new QTreeWidgetItem(changes_);
        if (group != one.group) item->setText(0, said(groupName(one.group)));
        group = one.group;
        const QString text = q(inOneLine(told, inWindow()));
        item->setText(1, text);
        item->setText(2, one.figure.empty() ? one.row > 0 ? tr("row %1").arg(one.row) : QString() : said(one.figure));
        item->setToolTip(1, q(inOneLine(one, inWindow())));
        item->setForeground(0, look().softInk);
        item->setForeground(2, look().softInk);
        item->setFont(2, figureFont(13));
        item->setTextAlignment(2, Qt::AlignRight | Qt::AlignVCenter);
        item->setCheckState(1, unticked.contains(text) ? Qt::Unchecked : Qt::Checked);
        item->setData(0, Qt::UserRole, static_cast<int>(i));
        item->setSizeHint(0, {0, rowHeight()});
    }
    const auto left = static_cast<int>(differences_.size()) - kMostShown;
    changes_->setVisible(!differences_.empty());
    nothing_->setVisible(differences_.empty() || left > 0);
    nothing_->setText(left > 0        ? tr("… and %n more", nullptr, left)
                      : before_.patch ? tr("Nothing is different.")
                                      : QString());
    // Every difference stands, up to what there is room for; then they scroll.
    const auto rows = static_cast<int>(std::min(differences_.size(), kRowsAtOnce));
    changes_->setFixedHeight(rows * rowHeight() + 4);
    bring_->setEnabled(!ticked().empty() && !(*after_.patch == session_.document.patch()));
    bring_->setToolTip(tr("Into the open patch, as one step that can be undone"));
    filling_ = false;
}

/// The row or post that the chosen difference is about, on the chart of both.
void LogPlace::markChange() {
    const QTreeWidgetItem* item = changes_->currentItem();
    const auto at = item ? static_cast<std::size_t>(item->data(0, Qt::UserRole).toInt()) : differences_.size();
    JackRef into;
    std::string post;
    if (at < differences_.size()) {
        post = differences_[at].post;
        for (const AspectKey& key : differences_[at].keys)
            for (const BothRow& row : both_->both().rows)
                if (key.list == "cables" && key.element == row.to.text()) into = row.to;
    }
    both_->mark(into, post);
}

/// What the button below the chart of both does next.
void LogPlace::sayRows() {
    const auto all = static_cast<int>(both_->both().rows.size());
    allRows_->setVisible(all > 0 && (both_->showsAll() || both_->shown().size() < both_->both().rows.size()));
    allRows_->setText(both_->showsAll() ? tr("Only rows that are different") : tr("Show all %n row(s)", nullptr, all));
}

void LogPlace::chooseChange(const JackRef& into) {
    for (int i = 0; i < changes_->topLevelItemCount(); ++i) {
        const auto at = static_cast<std::size_t>(changes_->topLevelItem(i)->data(0, Qt::UserRole).toInt());
        if (std::ranges::none_of(differences_[at].keys, [&](const AspectKey& key) {
                return key.list == "cables" && key.element == into.text();
            }))
            continue;
        changes_->setCurrentItem(changes_->topLevelItem(i));
        return;
    }
    both_->mark(into, into.post);
}

void LogPlace::showHeard() {
    emptyLayout(heard_);
    int row = 0;
    const auto cell = [&](int column, const QString& text, const QColor& colour, bool figure) {
        auto* label = new QLabel(text);
        label->setTextFormat(Qt::PlainText);
        label->setFont(figure ? figureFont(13) : textFont(13));
        QPalette palette = label->palette();
        palette.setColor(QPalette::WindowText, colour);
        label->setPalette(palette);
        label->setAlignment((figure ? Qt::AlignRight : Qt::AlignLeft) | Qt::AlignVCenter);
        heard_->addWidget(label, row, column);
    };
    for (const FigureInfo& info : allFigures()) {
        const auto was = before_.figures.find(info.id);
        const auto is = after_.figures.find(info.id);
        if (was == before_.figures.end() && is == after_.figures.end()) continue;
        const auto value = [&](const auto& found, const Figures& figures) {
            return found == figures.end() ? QStringLiteral("–") : q(figureText(info, found->second));
        };
        cell(0, said(figureName(info)), look().softInk, false);
        if (before_.patch) cell(1, value(was, before_.figures), look().alarm, true);
        cell(2, value(is, after_.figures), look().accent, true);
        if (was != before_.figures.end() && is != after_.figures.end())
            cell(3, said(figureDifference(info, was->second, is->second)), look().ink, false);
        ++row;
    }
    heard_->setColumnStretch(3, 1);
    heardBox_->setVisible(row > 0);
    const auto thumb = [](const Side& side) { return side.figures.empty() ? std::nullopt : std::optional(side.thumb); };
    picture_->show(thumb(before_), thumb(after_));
}

void LogPlace::showLabel() {
    const TakeLine* line = model_->take(after_.id);
    TakeLabel label;
    if (line) {
        label = line->label;
    } else if (after_.id > 0) {
        if (const auto take = session_.log->book()->take(after_.id)) label = take->label;
    }
    label_->setVisible(after_.id > 0);
    // What is being typed is not taken out of the hand.
    if (labelOf_ == after_.id && (name_->hasFocus() || tags_->hasFocus() || notes_->hasFocus())) return;
    filling_ = true;
    labelOf_ = after_.id;
    name_->setText(q(label.name));
    QStringList tags;
    for (const std::string& tag : label.tags) tags << q(tag);
    tags_->setText(tags.join(QLatin1Char(' ')));
    rating_->setCurrentIndex(std::clamp(label.rating, 0, 5));
    if (notes_->toPlainText() != q(label.notes)) notes_->setPlainText(q(label.notes));
    filling_ = false;
}

void LogPlace::writeLabel() {
    written_.stop();
    if (filling_ || labelOf_ <= 0 || !session_.log || !session_.log->book()) return;
    TakeLabel label{
        name_->text().trimmed().toStdString(), notes_->toPlainText().toStdString(), {}, rating_->currentIndex()};
    for (const QString& tag : tags_->text().split(QLatin1Char(' '), Qt::SkipEmptyParts))
        label.tags.push_back(tag.toStdString());
    const auto take = session_.log->book()->take(labelOf_);
    if (!take || take->label == label) return;
    if (auto written = session_.log->book()->label(labelOf_, label); !written) {
        Q_EMIT message(said(written.error()), true);
        return;
    }
    session_.log->touch();
}

} // namespace lariat
