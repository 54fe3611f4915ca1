#include "widgets/blind_dialog.h"

#include "look/fonts.h"
#include "shell/theme.h"
#include "widgets/plain.h"

#include <QGridLayout>
#include <QKeyEvent>
#include <QVBoxLayout>

#include <algorithm>
#include <map>

namespace lariat {

BlindDialog::BlindDialog(const Session& session, std::vector<Entry> entries, int rounds, std::uint32_t seed,
                         QWidget* parent)
    : QDialog(parent), entries_(std::move(entries)), rounds_(rounds), random_(seed), turns_(session) {
    setObjectName(QStringLiteral("blind"));
    setWindowTitle(tr("Which is better?"));
    std::vector<Turns::Voice> voices;
    for (const Entry& entry : entries_) voices.push_back(entry.voice);
    turns_.set(std::move(voices));
    for (std::size_t a = 0; a < entries_.size(); ++a)
        for (std::size_t b = a + 1; b < entries_.size(); ++b) pairs_.emplace_back(a, b);
    std::ranges::shuffle(pairs_, random_);
    auto* column = new QVBoxLayout(this);
    column->setContentsMargins(20, 16, 20, 16);
    column->setSpacing(12);
    head_ = plainLabel({}, look().ink, 16, true);
    say_ = plainLabel({}, look().softInk);
    say_->setObjectName(QStringLiteral("blind-says"));
    say_->setMinimumWidth(380);
    column->addWidget(head_);
    column->addWidget(say_);
    auto* grid = new QGridLayout;
    grid->setSpacing(10);
    const QString names[] = {tr("First (1)"), tr("Second (2)")};
    const QString better[] = {tr("The first is better (Left)"), tr("The second is better (Right)")};
    const char* playIds[] = {"hear-first", "hear-second"};
    const char* preferIds[] = {"prefer-first", "prefer-second"};
    for (int side = 0; side < 2; ++side) {
        const auto s = static_cast<std::size_t>(side);
        play_[s] = plainButton(names[s], playIds[s]);
        play_[s]->setCheckable(true);
        play_[s]->setMinimumHeight(44);
        prefer_[s] = plainButton(better[s], preferIds[s]);
        grid->addWidget(play_[s], 0, side);
        grid->addWidget(prefer_[s], 1, side);
        connect(play_[s], &QPushButton::clicked, this, [this, side] { hear(side); });
        connect(prefer_[s], &QPushButton::clicked, this, [this, side] { prefer(side); });
    }
    column->addLayout(grid);
    auto* below = new QHBoxLayout;
    neither_ = plainButton(tr("No difference (Down)"), "prefer-neither");
    close_ = plainButton(tr("Close"), "close-blind");
    below->addWidget(neither_);
    below->addStretch();
    below->addWidget(close_);
    column->addLayout(below);
    connect(neither_, &QPushButton::clicked, this, [this] { prefer(-1); });
    connect(close_, &QPushButton::clicked, this, &QDialog::accept);
    connect(&turns_, &Turns::changed, this, &BlindDialog::refresh);
    begin();
}

void BlindDialog::begin() {
    if (isOver()) {
        turns_.stop();
        refresh();
        return;
    }
    const auto& [a, b] = pairs_[static_cast<std::size_t>(round_) % pairs_.size()];
    const bool turned = std::uniform_int_distribution<int>(0, 1)(random_) == 1;
    order_ = turned ? std::array{b, a} : std::array{a, b};
    heard_ = {};
    hear(0);
}

void BlindDialog::hear(int side) {
    if (isOver()) return;
    heard_[static_cast<std::size_t>(side)] = true;
    turns_.play(order_[static_cast<std::size_t>(side)]);
    refresh();
}

void BlindDialog::prefer(int side) {
    if (isOver() || !heard_[0] || !heard_[1]) return;
    if (side >= 0) {
        const auto s = static_cast<std::size_t>(side);
        choices_.push_back({entries_[order_[s]].id, entries_[order_[1 - s]].id});
    }
    ++round_;
    begin();
}

void BlindDialog::keyPressEvent(QKeyEvent* event) {
    switch (event->key()) {
    case Qt::Key_1:
        hear(0);
        break;
    case Qt::Key_2:
        hear(1);
        break;
    case Qt::Key_Left:
        prefer(0);
        break;
    case Qt::Key_Right:
        prefer(1);
        break;
    case Qt::Key_Down:
        prefer(-1);
        break;
    default:
        QDialog::keyPressEvent(event);
    }
}

void BlindDialog::refresh() {
    const bool over = isOver();
    head_->setText(over ? tr("What you preferred") : tr("Round %1 of %2").arg(round_ + 1).arg(rounds_));
    const bool both = heard_[0] && heard_[1];
    say_->setText(over   ? result()
                  : both ? tr("Which one is better? They change at the start of a bar, equally loud.")
                         : tr("Hear the second too; it begins with the next bar."));
    for (std::size_t s = 0; s < 2; ++s) {
        play_[s]->setChecked(!over && turns_.playing() == order_[s]);
        play_[s]->setEnabled(!over);
        prefer_[s]->setEnabled(!over && both);
    }
    neither_->setEnabled(!over && both);
}

QString BlindDialog::result() const {
    std::map<std::int64_t, int> wins;
    std::map<std::int64_t, int> met;
    for (const Choice& choice : choices_) {
        ++wins[choice.preferred];
        ++met[choice.preferred];
        ++met[choice.other];
    }
    std::vector<const Entry*> order;
    for (const Entry& entry : entries_) order.push_back(&entry);
    std::ranges::stable_sort(order, [&](const Entry* a, const Entry* b) { return wins[a->id] > wins[b->id]; });
    QStringList lines;
    for (const Entry* entry : order)
        lines << tr("%1: preferred in %2 of %3 rounds").arg(entry->name).arg(wins[entry->id]).arg(met[entry->id]);
    if (const auto none = static_cast<int>(rounds_ - static_cast<int>(choices_.size())); none > 0 && isOver())
        lines << tr("no difference in %n round(s)", nullptr, none);
    return lines.join(QLatin1Char('\n'));
}

} // namespace lariat
