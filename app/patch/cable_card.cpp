#include "patch/cable_card.h"

#include "look/fonts.h"
#include "look/text.h"

#include <QComboBox>
#include <QVBoxLayout>

#include <algorithm>

namespace lariat {

CableCard::CableCard(const Session& session, const Cable& cable, QWidget* parent)
    : QWidget(parent), session_(session), cable_(cable.id) {
    const Patch& patch = session_.document.patch();
    auto* layout = new QVBoxLayout(this);
    layout->setContentsMargins(0, 0, 0, 0);
    layout->setSpacing(4);
    reading_ = new QLabel;
    reading_->setObjectName(QStringLiteral("cable-reading"));
    reading_->setWordWrap(true);
    reading_->setFont(figureFont(13));
    reading_->setAccessibleName(tr("Readings of this cable"));
    layout->addWidget(reading_);
    auto* note = new QLineEdit(q(cable.note));
    note->setCursorPosition(0);
    note->setObjectName(QStringLiteral("cable-note"));
    note->setAccessibleName(tr("Note on this cable"));
    note->setPlaceholderText(tr("Note for the sheet"));
    auto* bag = new QComboBox;
    bag->setObjectName(QStringLiteral("cable-kind"));
    bag->setAccessibleName(tr("Which cable to use"));
    bag->addItem(tr("Length not chosen"));
    std::vector<CableStock> stocks;
    if (const Case* housing = session_.document.housing()) stocks = housing->cables;
    for (const CableStock& stock : stocks) {
        const auto used = std::ranges::count_if(patch.cables, [&](const Cable& other) {
            return other.lengthCm == stock.lengthCm && other.colour == stock.colour;
        });
        bag->addItem(
            tr("%1 cm %2 (%3 of %4 used)").arg(stock.lengthCm).arg(q(stock.colour)).arg(used).arg(stock.count));
        if (stock.lengthCm == cable.lengthCm && stock.colour == cable.colour) bag->setCurrentIndex(bag->count() - 1);
    }
    if (bag->currentIndex() == 0 && cable.lengthCm > 0) { // one that the case does not own
        stocks.push_back({cable.lengthCm, cable.colour, 0});
        bag->addItem(tr("%1 cm %2 (not in this case)").arg(cable.lengthCm).arg(q(cable.colour)));
        bag->setCurrentIndex(bag->count() - 1);
    }
    note_ = note;
    const auto write = [this, id = cable.id, note, bag, stocks] {
        note->setModified(false);
        const Cable* now = session_.document.patch().cable(id);
        const CableStock stock =
            bag->currentIndex() > 0 ? stocks[static_cast<std::size_t>(bag->currentIndex() - 1)] : CableStock{0, "", 0};
        const DescribeCable edit{id, note->text().toStdString(), stock.lengthCm, stock.colour};
        if (!now || (now->note == edit.note && now->lengthCm == edit.lengthCm && now->colour == edit.colour)) return;
        session_.document.apply({edit}, tr("write down cable %1").arg(session_.document.patch().row(id)));
    };
    connect(note, &QLineEdit::editingFinished, this, write);
    connect(bag, &QComboBox::activated, this, write);
    layout->addWidget(note);
    layout->addWidget(bag);
}

void CableCard::follow() {
    const Cable* cable = session_.document.patch().cable(cable_);
    if (!cable) return;
    const QString text = session_.readings.wholeText(cable->from);
    if (text != reading_->text()) reading_->setText(text);
}

} // namespace lariat
