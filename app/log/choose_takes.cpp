#include "log/choose_takes.h"

#include "look/fonts.h"
#include "shell/theme.h"
#include "widgets/plain.h"

#include <QDialogButtonBox>
#include <QVBoxLayout>

namespace lariat {

ChooseTakes::ChooseTakes(const QString& title, const std::vector<Entry>& entries, QWidget* parent) : QDialog(parent) {
    setObjectName(QStringLiteral("choose-takes"));
    setWindowTitle(title);
    resize(420, 460);
    auto* column = new QVBoxLayout(this);
    column->addWidget(plainLabel(tr("Two to six; each is heard against each of the others."), look().softInk));
    list_ = new QListWidget;
    list_->setObjectName(QStringLiteral("takes-to-choose"));
    list_->setAccessibleName(title);
    list_->setFont(textFont(13));
    for (const Entry& entry : entries) {
        auto* item = new QListWidgetItem(entry.name, list_);
        item->setData(Qt::UserRole, static_cast<qlonglong>(entry.id));
        item->setFlags(item->flags() | Qt::ItemIsUserCheckable);
        item->setCheckState(entry.ticked ? Qt::Checked : Qt::Unchecked);
    }
    list_->setCurrentRow(0);
    column->addWidget(list_, 1);
    auto* buttons = new QDialogButtonBox(QDialogButtonBox::Ok | QDialogButtonBox::Cancel);
    go_ = buttons->button(QDialogButtonBox::Ok);
    column->addWidget(buttons);
    connect(buttons, &QDialogButtonBox::accepted, this, &QDialog::accept);
    connect(buttons, &QDialogButtonBox::rejected, this, &QDialog::reject);
    const auto allow = [this] {
        const auto count = static_cast<int>(chosen().size());
        go_->setEnabled(count >= kFewest && count <= kMost);
    };
    connect(list_, &QListWidget::itemChanged, this, allow);
    allow();
    list_->setFocus();
}

std::vector<std::int64_t> ChooseTakes::chosen() const {
    std::vector<std::int64_t> out;
    for (int i = 0; i < list_->count(); ++i)
        if (list_->item(i)->checkState() == Qt::Checked) out.push_back(list_->item(i)->data(Qt::UserRole).toLongLong());
    return out;
}

} // namespace lariat
