#include "shell/finder.h"

#include <QKeyEvent>
#include <QVBoxLayout>

#include <algorithm>

namespace lariat {

Finder::Finder(const QString& title, const QString& hint, QWidget* parent) : QDialog(parent) {
    setWindowTitle(title);
    resize(520, 420);
    auto* layout = new QVBoxLayout(this);
    field_ = new QLineEdit;
    field_->setPlaceholderText(hint);
    field_->setAccessibleName(hint);
    field_->installEventFilter(this);
    list_ = new QListWidget;
    list_->setAccessibleName(title);
    layout->addWidget(field_);
    layout->addWidget(list_);
    connect(field_, &QLineEdit::textChanged, this, &Finder::filter);
    connect(field_, &QLineEdit::returnPressed, this, &Finder::run);
    connect(list_, &QListWidget::itemActivated, this, &Finder::run);
}

void Finder::add(const QString& text, std::function<void()> chosen) {
    auto* item = new QListWidgetItem(text, list_);
    item->setData(Qt::UserRole, static_cast<int>(chosen_.size()));
    chosen_.push_back(std::move(chosen));
    if (!list_->currentItem()) list_->setCurrentItem(item);
}

/// Every word that is typed has to be in the text, in whatever order.
void Finder::filter(const QString& text) {
    const QStringList words = text.split(QLatin1Char(' '), Qt::SkipEmptyParts);
    QListWidgetItem* first = nullptr;
    for (int i = 0; i < list_->count(); ++i) {
        QListWidgetItem* item = list_->item(i);
        item->setHidden(!std::ranges::all_of(
            words, [&](const QString& word) { return item->text().contains(word, Qt::CaseInsensitive); }));
        if (!item->isHidden() && !first) first = item;
    }
    list_->setCurrentItem(first);
}

void Finder::run() {
    const QListWidgetItem* item = list_->currentItem();
    if (!item || item->isHidden()) return;
    const auto chosen = chosen_[static_cast<std::size_t>(item->data(Qt::UserRole).toInt())];
    accept();
    chosen();
}

bool Finder::eventFilter(QObject* watched, QEvent* event) {
    if (watched == field_ && event->type() == QEvent::KeyPress) {
        const int key = static_cast<QKeyEvent*>(event)->key();
        const int step = key == Qt::Key_Down ? 1 : key == Qt::Key_Up ? -1 : 0;
        for (int row = list_->currentRow() + step; step != 0 && row >= 0 && row < list_->count(); row += step) {
            if (list_->item(row)->isHidden()) continue;
            list_->setCurrentRow(row);
            return true;
        }
    }
    return QDialog::eventFilter(watched, event);
}

} // namespace lariat
