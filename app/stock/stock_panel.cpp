#include "stock/stock_panel.h"

#include "look/fonts.h"
#include "look/text.h"
#include "shell/theme.h"
#include "widgets/plain.h"

#include <QGridLayout>
#include <QLabel>
#include <QLineEdit>
#include <QPainter>
#include <QPushButton>
#include <QSpinBox>

#include <algorithm>

namespace lariat {
namespace {

QString soft(const QString& text) {
    return QStringLiteral("color: %1").arg(text);
}

} // namespace

RailBar::RailBar(RailLine rail, QWidget* parent) : QWidget(parent), rail_(std::move(rail)) {
    setFixedHeight(14);
}

void RailBar::paintEvent(QPaintEvent*) {
    QPainter painter(this);
    const Look& l = look();
    const double whole = std::max({rail_.there, rail_.atSwitchOn(), 1.0});
    const auto place = [&](double mA) { return mA / whole * (width() - 1); };
    painter.fillRect(rect(), l.paper);
    painter.fillRect(QRectF(0, 0, place(rail_.load), height()), rail_.load > rail_.there ? l.alarm : l.accent);
    painter.setPen(l.line);
    painter.drawRect(rect().adjusted(0, 0, -1, -1));
    painter.setPen(QPen(rail_.atSwitchOn() > rail_.there ? l.alarm : l.ink, 2.0));
    const double on = place(rail_.atSwitchOn());
    painter.drawLine(QPointF(on, 0), QPointF(on, height()));
    if (rail_.there < whole) {
        painter.setPen(QPen(l.ink, 1.0, Qt::DashLine));
        painter.drawLine(QPointF(place(rail_.there), 0), QPointF(place(rail_.there), height()));
    }
}

StockPanel::StockPanel(const Session& session, QWidget* parent) : QScrollArea(parent), session_(session) {
    setFrameShape(QFrame::NoFrame);
    setWidgetResizable(true);
    setHorizontalScrollBarPolicy(Qt::ScrollBarAlwaysOff);
    setFixedWidth(336);
    setAccessibleName(tr("Rails, cables and the chosen module"));
}

QLabel* StockPanel::heading(const QString& text) {
    auto* label = new QLabel(text);
    label->setFont(textFont(14, true));
    label->setContentsMargins(0, 10, 0, 2);
    return label;
}

void StockPanel::show(const Ledger& ledger, const Case& housing, const std::string& chosen) {
    page_ = new QWidget;
    list_ = new QVBoxLayout(page_);
    list_->setContentsMargins(16, 4, 16, 16);
    list_->setSpacing(6);
    addModule(housing, chosen);
    addRails(ledger);
    addCables(ledger);
    addBag(ledger);
    list_->addStretch();
    const int at = verticalScrollBar()->value();
    setWidget(page_); // the old one goes
    verticalScrollBar()->setValue(at);
}

void StockPanel::addRails(const Ledger& ledger) {
    auto* head = new QHBoxLayout;
    head->addWidget(heading(tr("Rails")), 1);
    auto* change = plainButton(tr("Supply…"), "supply");
    connect(change, &QPushButton::clicked, this, &StockPanel::supplyWanted);
    head->addWidget(change);
    list_->addLayout(head);
    auto* grid = new QGridLayout;
    grid->setColumnStretch(1, 1);
    int row = 0;
    bool inside = true;
    std::string of;
    for (const RailLine& rail : ledger.rails) {
        if (rail.of != of) {
            auto* part = new QLabel(q(rail.of));
            part->setFont(textFont(13, true));
            grid->addWidget(part, row++, 0, 1, 3);
            of = rail.of;
        }
        auto* name = new QLabel(q(rail.name));
        name->setFont(figureFont(13));
        auto* text = new QLabel(tr("%1 of %2 mA").arg(rail.load, 0, 'f', 0).arg(rail.there, 0, 'f', 0));
        text->setFont(textFont(13));
        if (rail.load > rail.there) text->setStyleSheet(soft(look().alarm.name()));
        grid->addWidget(name, row, 0);
        grid->addWidget(new RailBar(rail), row, 1);
        grid->addWidget(text, row++, 2, Qt::AlignRight);
        inside = inside && rail.atSwitchOn() <= rail.there;
    }
    list_->addLayout(grid);
    list_->addWidget(plainLabel(
        inside ? tr("At switch-on, reckoned as up to %1 times that: still inside.").arg(kSwitchOn)
               : tr("At switch-on it may take up to %1 times that: more than the supply gives.").arg(kSwitchOn),
        inside ? look().softInk : look().alarm));
    list_->addWidget(
        plainLabel(tr("Switch off before a ribbon is plugged; a reversed one destroys modules. Leave mains work "
                      "to qualified people and local code."),
                   look().softInk));
}

void StockPanel::addCables(const Ledger& ledger) {
    auto* head = new QHBoxLayout;
    head->addWidget(heading(tr("Cables")), 1);
    auto* more = plainButton(tr("Another kind…"), "another-kind");
    connect(more, &QPushButton::clicked, this, &StockPanel::cablesWanted);
    head->addWidget(more);
    list_->addLayout(head);
    auto* grid = new QGridLayout;
    grid->setColumnStretch(0, 1);
    int row = 0;
    for (const CableLine& line : ledger.cables) {
        const QString kind =
            tr("%1 cm %2").arg(line.stock.lengthCm).arg(QCoreApplication::translate("core", line.stock.colour.c_str()));
        auto* name = new QLabel(kind);
        name->setFont(textFont(13));
        const int left = line.stock.count - line.used;
        auto* text = new QLabel(left >= 0 ? tr("%n left", nullptr, left) : tr("%n short", nullptr, -left));
        text->setFont(textFont(13));
        text->setStyleSheet(soft((left > 0 ? look().softInk : look().alarm).name()));
        auto* count = new QSpinBox;
        count->setObjectName(QStringLiteral("cables-%1-%2").arg(line.stock.lengthCm).arg(q(line.stock.colour)));
        count->setRange(0, 10'000);
        count->setValue(line.stock.count);
        count->setFont(textFont(13));
        count->setAccessibleName(tr("How many of %1").arg(kind));
        count->setKeyboardTracking(false);
        connect(count, &QSpinBox::editingFinished, this, [this, count, stock = line.stock] {
            if (count->value() != stock.count) Q_EMIT cablesChanged(stock.lengthCm, stock.colour, count->value());
        });
        grid->addWidget(name, row, 0);
        grid->addWidget(text, row, 1, Qt::AlignRight);
        grid->addWidget(count, row++, 2);
    }
    list_->addLayout(grid);
    QString all = tr("%1 of %2 in use").arg(ledger.cablesUsed).arg(ledger.cablesOwned);
    if (ledger.stacked > 0) all += tr(", %n plug(s) stand on another", nullptr, ledger.stacked);
    list_->addWidget(plainLabel(all, look().softInk));
    auto* line = new QHBoxLayout;
    auto* label = new QLabel(tr("Of them stackable"));
    label->setFont(textFont(13));
    auto* count = new QSpinBox;
    count->setObjectName(QStringLiteral("stackable"));
    count->setRange(0, 100'000);
    count->setValue(ledger.stackable);
    count->setFont(textFont(13));
    count->setKeyboardTracking(false);
    label->setBuddy(count);
    line->addWidget(label, 1);
    // Who has counted none has not counted.
    if (ledger.stackable > 0 && ledger.stacked > ledger.stackable) {
        auto* lacks = new QLabel(tr("%n short", nullptr, ledger.stacked - ledger.stackable));
        lacks->setFont(textFont(13));
        lacks->setStyleSheet(soft(look().alarm.name()));
        line->addWidget(lacks);
    }
    line->addWidget(count);
    list_->addLayout(line);
    connect(count, &QSpinBox::editingFinished, this, [this, count, was = ledger.stackable] {
        if (count->value() != was) Q_EMIT stackablesChanged(count->value());
    });
}

void StockPanel::addModule(const Case& housing, const std::string& chosen) {
    auto* head = new QHBoxLayout;
    const Slot* slot = housing.slot(chosen);
    const ModuleInfo* module = slot ? session_.document.library().module(slot->module) : nullptr;
    head->addWidget(heading(module ? q(module->description.name) : tr("Modules")), 1);
    auto* add = plainButton(tr("Add a module…"), "add-module");
    connect(add, &QPushButton::clicked, this, &StockPanel::addWanted);
    head->addWidget(add);
    list_->addLayout(head);
    auto* make = plainButton(module ? tr("Make one like it…") : tr("Make a module…"), "make-module");
    connect(make, &QPushButton::clicked, this,
            [this, id = module ? module->description.id : std::string()] { Q_EMIT makeWanted(id); });
    if (!module) {
        list_->addWidget(plainLabel(
            tr("Choose one below: arrow keys go from one to the next, with Shift they move it."), look().softInk));
        list_->addWidget(make, 0, Qt::AlignLeft);
        return;
    }
    const ModuleDescription& d = module->description;
    list_->addWidget(plainLabel(QCoreApplication::translate("core", d.about.c_str()), look().ink));
    list_->addWidget(plainLabel(tr("%1 HP · %2 / %3 / %4 mA on +12 / -12 / +5 V")
                                    .arg(d.hp)
                                    .arg(d.current.plus12)
                                    .arg(d.current.minus12)
                                    .arg(d.current.plus5),
                                look().softInk));
    const Patch& patch = session_.document.patch();
    for (const PartInfo& part : module->parts) {
        const Post* post = postAt(patch, slot->id, part.id);
        list_->addWidget(plainLabel(post ? tr("%1: in use as %2").arg(q(part.name), q(post->name))
                                         : tr("%1: free").arg(q(part.name)),
                                    post ? look().ink : look().softInk));
    }
    auto* line = new QHBoxLayout;
    auto* label = new QLabel(tr("Borrowed from"));
    label->setFont(textFont(13));
    auto* from = new QLineEdit(q(slot->from));
    from->setObjectName(QStringLiteral("borrowed-from"));
    from->setPlaceholderText(tr("nobody: it is mine"));
    from->setFont(textFont(13));
    from->setMaxLength(60);
    label->setBuddy(from);
    line->addWidget(label);
    line->addWidget(from, 1);
    list_->addLayout(line);
    connect(from, &QLineEdit::editingFinished, this, [this, from, id = slot->id, was = q(slot->from)] {
        if (from->text() != was) Q_EMIT borrowedChanged(id, from->text().trimmed());
    });
    auto* buttons = new QHBoxLayout;
    auto* bag = plainButton(slot->loose() ? tr("Into a row") : tr("Into the bag"), "bag");
    connect(bag, &QPushButton::clicked, this, [this, id = slot->id, loose = slot->loose()] {
        if (loose)
            Q_EMIT inWanted(id);
        else
            Q_EMIT looseWanted(id);
    });
    auto* out = plainButton(tr("Take out"), "take-out");
    connect(out, &QPushButton::clicked, this, [this, id = slot->id] { Q_EMIT outWanted(id); });
    buttons->addWidget(bag);
    buttons->addWidget(out);
    buttons->addStretch();
    list_->addLayout(buttons);
    auto* own = new QHBoxLayout;
    auto* calibrate = plainButton(tr("Calibrate a knob…"), "calibrate-knob");
    connect(calibrate, &QPushButton::clicked, this, [this, id = slot->id] { Q_EMIT calibrateWanted(id); });
    own->addWidget(make);
    own->addWidget(calibrate);
    own->addStretch();
    list_->addLayout(own);
}

void StockPanel::addBag(const Ledger& ledger) {
    const auto listed = [&](const QString& title, const std::vector<const Slot*>& modules, bool borrowed) {
        if (modules.empty()) return;
        list_->addWidget(heading(title));
        for (const Slot* slot : modules) {
            const ModuleInfo* module = session_.document.library().module(slot->module);
            QString text = q(module ? module->description.name : slot->module);
            if (borrowed)
                text += slot->since.empty() ? tr(" – from %1").arg(q(slot->from))
                                            : tr(" – from %1, since %2").arg(q(slot->from), q(slot->since));
            auto* one = plainButton(text, "in-list");
            one->setFlat(true);
            one->setStyleSheet(QStringLiteral("text-align: left"));
            connect(one, &QPushButton::clicked, this, [this, id = slot->id] { Q_EMIT slotChosen(id); });
            list_->addWidget(one);
        }
    };
    listed(tr("Borrowed, to go back"), ledger.borrowed, true);
    listed(tr("In the bag"), ledger.loose, false);
}

} // namespace lariat
