#include "stock/stock_place.h"

#include "building/rehouse.h"
#include "look/fonts.h"
#include "look/text.h"
#include "shell/theme.h"
#include "widgets/calibrate_dialog.h"

#include <QDate>
#include <QDialog>
#include <QDialogButtonBox>
#include <QDoubleSpinBox>
#include <QFileDialog>
#include <QFormLayout>
#include <QHBoxLayout>
#include <QInputDialog>
#include <QLineEdit>
#include <QListWidget>
#include <QMenu>
#include <QMessageBox>
#include <QPushButton>
#include <QSpinBox>

#include <set>

namespace lariat {
namespace {

constexpr auto kNewCase = "new case";
constexpr auto kJoinCase = "join a case";
constexpr auto kNothing = "nothing";
constexpr auto kFromFile = "from a file"; ///< no id: those have no blanks
constexpr int kFound = Qt::UserRole + 1;  ///< all words by which a module is found

QSpinBox* spin(int low, int high, int value, const char* name) {
    auto* made = new QSpinBox;
    made->setRange(low, high);
    made->setValue(value);
    made->setObjectName(QString::fromLatin1(name));
    return made;
}

} // namespace

StockPlace::StockPlace(const Session& session, ChartOfStand chart, QWidget* parent) : Place(parent), session_(session) {
    if (auto read = Functions::load(dataFolder() / "functions.json")) functions_ = std::move(*read);
    cases_ = new QComboBox;
    cases_->setObjectName(QStringLiteral("cases"));
    cases_->setAccessibleName(tr("The case of this patch"));
    auto* whole = new QVBoxLayout(this);
    whole->setContentsMargins(0, 0, 0, 0);
    pages_ = new QStackedWidget;
    whole->addWidget(pages_);
    auto* stock = new QWidget;
    auto* across = new QHBoxLayout(stock);
    across->setContentsMargins(0, 0, 0, 0);
    across->setSpacing(0);
    scroll_ = new QScrollArea;
    scroll_->setFrameShape(QFrame::NoFrame);
    scroll_->setWidgetResizable(true);
    scroll_->setHorizontalScrollBarPolicy(Qt::ScrollBarAlwaysOff);
    scroll_->setAccessibleName(tr("What is left, by what it does"));
    auto* page = new QWidget;
    auto* list = new QVBoxLayout(page);
    list->setContentsMargins(16, 8, 16, 16);
    list->setSpacing(8);
    const auto heading = [&](const QString& text) {
        auto* label = new QLabel(text);
        label->setFont(textFont(14, true));
        list->addWidget(label);
    };
    heading(tr("What is left, by what it does"));
    summary_ = new QLabel;
    summary_->setFont(textFont(13));
    summary_->setWordWrap(true);
    list->addWidget(summary_);
    ledger_ = new LedgerView;
    list->addWidget(ledger_);
    list->addSpacing(10);
    heading(tr("Where they stand"));
    case_ = new CaseView;
    list->addWidget(case_);
    list->addStretch();
    scroll_->setWidget(page);
    panel_ = new StockPanel(session);
    across->addWidget(scroll_, 1);
    across->addWidget(panel_);
    maker_ = new MakerPage(session, chart);
    pages_->addWidget(stock);
    pages_->addWidget(maker_);
    setFocusProxy(case_);
    connect(maker_, &MakerPage::message, this, &Place::message);
    connect(maker_, &MakerPage::ended, this, [this] {
        pages_->setCurrentIndex(0);
        setFocusProxy(case_);
        case_->setFocus();
    });

    connect(&session_.navigator, &Navigator::moduleWanted, this,
            [this](const std::string& module) { make(module, StandView::Behind); });
    connect(cases_, &QComboBox::activated, this, &StockPlace::caseChosen);
    connect(&session_.document, &Document::changed, this, [this] { isVisible() ? refresh() : void(stale_ = true); });
    connect(ledger_, &LedgerView::postChosen, this,
            [this](const std::string& post) { session_.navigator.showPost(post); });
    connect(ledger_, &LedgerView::slotChosen, this, &StockPlace::choose);
    connect(case_, &CaseView::slotChosen, this, [this](const std::string&) { refresh(); });
    connect(case_, &CaseView::menuWanted, this, &StockPlace::showMenu);
    const auto housing = [this] { return *session_.document.housing(); };
    const auto moved = [this, housing](const std::string& slot, int row, int column) {
        apply(withMoved(housing(), session_.document.library(), slot, {row, column}), tr("move a module"));
    };
    connect(case_, &CaseView::moveWanted, this, moved);
    connect(case_, &CaseView::shoveWanted, this, [this, housing](const std::string& slot, int direction) {
        apply(withShoved(housing(), session_.document.library(), slot, direction), tr("move a module"));
    });
    const auto out = [this, housing](const std::string& slot) {
        if (const QString users = usersOf(slot); !users.isEmpty()) {
            Q_EMIT message(
                tr("It stays: %1 of this patch needs it. Take its post out in the Patch place first.").arg(users),
                true);
            return;
        }
        apply(withoutModule(housing(), slot), tr("take a module out"));
    };
    connect(case_, &CaseView::outWanted, this, out);
    connect(panel_, &StockPanel::outWanted, this, out);
    connect(panel_, &StockPanel::looseWanted, this, [this, housing](const std::string& slot) {
        if (const QString users = usersOf(slot); !users.isEmpty()) {
            Q_EMIT message(tr("It stays in its row: %1 of this patch needs it.").arg(users), true);
            return;
        }
        apply(withLoose(housing(), slot), tr("put a module into the bag"));
    });
    connect(panel_, &StockPanel::inWanted, this, [this, housing](const std::string& slot) {
        const Case now = housing();
        const ModuleInfo* module = session_.document.library().module(now.slot(slot)->module);
        const auto gap = gapFor(now, session_.document.library(), module->description.hp);
        if (!gap) {
            Q_EMIT message(tr("No row has %n HP free in one piece.", nullptr, module->description.hp), true);
            return;
        }
        apply(withMoved(now, session_.document.library(), slot, *gap), tr("put a module into a row"));
    });
    connect(panel_, &StockPanel::borrowedChanged, this, [this, housing](const std::string& slot, const QString& from) {
        apply(
            withBorrowed(housing(), slot, from.toStdString(), QDate::currentDate().toString(Qt::ISODate).toStdString()),
            tr("note whom a module is from"));
    });
    connect(panel_, &StockPanel::cablesChanged, this,
            [this, housing](int length, const std::string& colour, int count) {
                apply(withCables(housing(), length, colour, count), tr("count cables"));
            });
    connect(panel_, &StockPanel::stackablesChanged, this, [this, housing](int count) {
        apply(withStackables(housing(), count), tr("count cables"));
        refresh(); // what was refused shows as it is
    });
    connect(panel_, &StockPanel::slotChosen, this, &StockPlace::choose);
    connect(panel_, &StockPanel::addWanted, this, &StockPlace::addModule, Qt::QueuedConnection);
    connect(panel_, &StockPanel::makeWanted, this, &StockPlace::askWhatToMake, Qt::QueuedConnection);
    connect(panel_, &StockPanel::calibrateWanted, this, &StockPlace::showKnobs, Qt::QueuedConnection);
    connect(panel_, &StockPanel::cablesWanted, this, &StockPlace::addCables, Qt::QueuedConnection);
    connect(panel_, &StockPanel::supplyWanted, this, &StockPlace::changeSupply, Qt::QueuedConnection);
    listCases();
}

void StockPlace::showEvent(QShowEvent* event) {
    Place::showEvent(event);
    if (stale_) refresh();
}

void StockPlace::changeEvent(QEvent* event) {
    Place::changeEvent(event);
    if (event->type() == QEvent::PaletteChange && isVisible()) refresh();
}

void StockPlace::listCases() {
    const QSignalBlocker quiet(cases_);
    cases_->clear();
    for (const auto& [id, one] : session_.document.workspace().cases) cases_->addItem(q(one.name), q(id));
    cases_->insertSeparator(cases_->count());
    cases_->addItem(tr("Join another case to this one…"), QString::fromLatin1(kJoinCase));
    cases_->addItem(tr("New case…"), QString::fromLatin1(kNewCase));
    cases_->setCurrentIndex(cases_->findData(q(session_.document.patch().caseId)));
}

void StockPlace::refresh() {
    stale_ = false;
    listCases();
    const Case* housing = session_.document.housing();
    case_->setVisible(housing != nullptr);
    ledger_->setVisible(housing != nullptr);
    panel_->setVisible(housing != nullptr);
    if (!housing) {
        summary_->setText(tr("This patch names a case that is not here. Choose one above."));
        return;
    }
    const Patch& patch = session_.document.patch();
    const Ledger ledger = ledgerOf(patch, session_.document.library(), functions_, *housing);
    summary_->setStyleSheet(QStringLiteral("color: %1").arg(look().softInk.name()));
    int hp = 0;
    for (const int free : ledger.freeColumns) hp += free;
    summary_->setText(
        tr("%1: %2 of %3 parts in use by %4, %5 HP free. Full cells are in use, broken ones could stand in.")
            .arg(q(housing->name))
            .arg(ledger.partsUsed)
            .arg(ledger.parts)
            .arg(q(patch.title))
            .arg(hp));
    ledger_->show(ledger);
    std::vector<std::string> used;
    for (const Post& post : patch.posts) used.push_back(post.slot);
    const std::string chosen = case_->chosen();
    case_->show(*housing, session_.document.library(), used);
    panel_->show(ledger, *housing, housing->slot(chosen) ? chosen : std::string());
}

void StockPlace::choose(const std::string& slot) {
    case_->choose(slot);
    refresh();
    if (const QRect box = case_->rectOf(slot); !box.isEmpty())
        scroll_->ensureVisible(case_->x() + box.center().x(), case_->y() + box.bottom(), 40, 60);
}

bool StockPlace::apply(Result<Case> changed, const QString& name) {
    if (!changed) {
        Q_EMIT message(said(changed.error().reason), true);
        return false;
    }
    return session_.document.changeCase(std::move(*changed), name);
}

QString StockPlace::usersOf(const std::string& slot) const {
    QStringList names;
    for (const Post& post : session_.document.patch().posts)
        if (post.slot == slot) names << q(post.name);
    return names.join(QStringLiteral(", "));
}

void StockPlace::caseChosen(int index) {
    const QString id = cases_->itemData(index).toString();
    if (id == QLatin1String(kNewCase)) {
        makeCase();
    } else if (id == QLatin1String(kJoinCase)) {
        joinCases();
    } else if (id.toStdString() != session_.document.patch().caseId) {
        const auto& cases = session_.document.workspace().cases;
        if (const auto to = cases.find(id.toStdString()); to != cases.end()) moveTo(Case(to->second));
    }
    listCases();
}

/// A patch goes to another case as a whole; for what is missing there, the planner looks for what can stand in.
void StockPlace::moveTo(const Case& to) {
    if (moving_) moving_->stop();
    const Patch& patch = session_.document.patch();
    auto without = rehouse(patch, session_.document.library(), to);
    if (!without) {
        Q_EMIT message(said(without.error().reason), true);
        return;
    }
    if (without->missing.empty()) {
        become(std::move(without->patch), to);
        return;
    }
    Q_EMIT message(tr("Looking for what can stand in for %1…").arg(q(without->missing.front())), false);
    moving_ = session_.jobs.start(
        tr("Looking for stand-ins"), this,
        [patch, library = &session_.document.library(), functions = functions_, to](const Progress& progress) {
            return rehouseWithStandIns(patch, *library, functions, to, progress);
        },
        [this, patch, to, without = std::move(*without)](Result<Housed> housed) {
            moving_.reset();
            askHowToMove(patch, to, without, housed ? *housed : Housed{without, {}, 0.0});
        });
}

void StockPlace::askHowToMove(const Patch& patch, const Case& to, const Rehousing& without, const Housed& housed) {
    const auto changed = [&] { // by a hand on a controller, for instance
        if (session_.document.patch() == patch) return false;
        Q_EMIT message(tr("The patch was changed meanwhile: choose the case once more."), true);
        return true;
    };
    if (changed()) return;
    const auto listed = [](const std::vector<std::string>& names) {
        QStringList all;
        for (const std::string& name : names) all << q(name);
        return all.join(QStringLiteral(", "));
    };
    QStringList lines;
    lines << tr("%1 of %2 parts have a place in %3.").arg(without.moves.size()).arg(patch.posts.size()).arg(q(to.name));
    for (const StandIn& one : housed.standIns)
        lines << (one.because.empty()
                      ? tr("%1 can be played by %2.").arg(q(one.post), q(one.by))
                      : tr("%1 can be played by %2: %3.").arg(q(one.post), q(one.by), said(one.because)));
    if (!housed.standIns.empty())
        lines << tr("What is heard would be %1 dB apart from here.").arg(housed.apart, 0, 'f', 1);
    if (!housed.moved.missing.empty())
        lines << tr("Nothing there for: %1. %2 cables would lose an end.")
                     .arg(listed(housed.moved.missing))
                     .arg(housed.moved.cablesLost);
    QMessageBox box(QMessageBox::Question, tr("Another case"), lines.join(QStringLiteral("\n\n")),
                    QMessageBox::NoButton, this);
    auto* with = housed.standIns.empty() ? nullptr : box.addButton(tr("Move it with these"), QMessageBox::AcceptRole);
    auto* go = box.addButton(tr("Move it without them"), QMessageBox::AcceptRole);
    box.addButton(tr("Leave it here"), QMessageBox::RejectRole);
    box.exec();
    const QAbstractButton* chosen = box.clickedButton();
    if ((chosen == with || chosen == go) && changed()) return;
    if (with && chosen == with)
        become(housed.moved.patch, to);
    else if (chosen == go)
        become(without.patch, to);
    else if (const Case* here = session_.document.housing()) // what was said while it looked is over
        Q_EMIT message(tr("The patch stays in %1.").arg(q(here->name)), false);
}

void StockPlace::become(Patch patch, const Case& to) {
    if (!session_.document.become(std::move(patch), tr("move to %1").arg(q(to.name)))) return;
    listCases();
    Q_EMIT message(tr("The patch is in %1 now.").arg(q(to.name)), false);
}

/// Two cases that stand together are one for the patch: it stays where it is, and has the other's modules as well.
void StockPlace::joinCases() {
    const Case* here = session_.document.housing();
    if (!here) return;
    QStringList names;
    std::vector<std::string> ids;
    for (const auto& [id, one] : session_.document.workspace().cases)
        if (id != here->id) {
            names << q(one.name);
            ids.push_back(id);
        }
    if (names.isEmpty()) {
        Q_EMIT message(tr("There is no other case to join."), false);
        return;
    }
    bool taken = false;
    const QString other = QInputDialog::getItem(
        this, tr("Join cases"), tr("Which case stands with %1?").arg(q(here->name)), names, 0, false, &taken);
    if (!taken) return;
    const Case& second = session_.document.workspace().cases.at(ids[static_cast<std::size_t>(names.indexOf(other))]);
    const QString name =
        QInputDialog::getText(this, tr("Join cases"), tr("What are both together called?"), QLineEdit::Normal,
                              tr("%1 and %2").arg(q(here->name), q(second.name)).left(60), &taken);
    if (!taken) return;
    auto made = joinedCase(*here, second, name.trimmed().toStdString());
    if (made && session_.document.workspace().cases.contains(made->id)) {
        Q_EMIT message(tr("There is a case of that name already."), true);
        return;
    }
    const std::string id = made ? made->id : std::string();
    if (!apply(std::move(made), tr("join cases"))) return;
    Patch patch = session_.document.patch();
    patch.caseId = id;
    if (session_.document.become(std::move(patch), tr("move to %1").arg(name)))
        Q_EMIT message(tr("The patch is in %1 now.").arg(name), false);
}

void StockPlace::makeCase() {
    QDialog dialog(this);
    dialog.setWindowTitle(tr("New case"));
    auto* form = new QFormLayout(&dialog);
    auto* name = new QLineEdit;
    name->setObjectName(QStringLiteral("case-name"));
    name->setMaxLength(60);
    auto* rows = spin(1, kMostRows, 2, "case-rows");
    auto* hp = spin(4, kMostColumns, 84, "case-hp");
    auto* plus = spin(0, 100'000, 1200, "case-plus12");
    auto* minus = spin(0, 100'000, 1000, "case-minus12");
    auto* five = spin(0, 100'000, 500, "case-plus5");
    form->addRow(tr("Name"), name);
    form->addRow(tr("Rows"), rows);
    form->addRow(tr("HP a row"), hp);
    form->addRow(tr("mA on +12 V"), plus);
    form->addRow(tr("mA on -12 V"), minus);
    form->addRow(tr("mA on +5 V"), five);
    auto* buttons = new QDialogButtonBox(QDialogButtonBox::Ok | QDialogButtonBox::Cancel);
    form->addRow(buttons);
    connect(buttons, &QDialogButtonBox::accepted, &dialog, &QDialog::accept);
    connect(buttons, &QDialogButtonBox::rejected, &dialog, &QDialog::reject);
    if (dialog.exec() != QDialog::Accepted) return;
    auto made = newCase(
        name->text().trimmed().toStdString(), rows->value(), hp->value(),
        {static_cast<double>(plus->value()), static_cast<double>(minus->value()), static_cast<double>(five->value())});
    if (!made) {
        Q_EMIT message(said(made.error().reason), true);
        return;
    }
    if (session_.document.workspace().cases.contains(made->id)) {
        Q_EMIT message(tr("There is a case of that name already."), true);
        return;
    }
    made->cables = session_.document.housing() ? session_.document.housing()->cables : std::vector<CableStock>{};
    const Case housing = *made;
    if (!apply(std::move(made), tr("make a case"))) return;
    if (session_.document.patch().posts.empty())
        moveTo(housing);
    else
        Q_EMIT message(
            tr("%1 is there. This patch stays where it is; a new one can be begun in it.").arg(q(housing.name)), false);
}

/// The id of a module that is chosen from all there are; `first`, if it is not empty, stands before them and means
/// "none". Nothing if the user thinks better of it.
QString StockPlace::askForModule(const QString& title, const QString& first) {
    QDialog dialog(this);
    dialog.setWindowTitle(title);
    dialog.resize(460, 520);
    auto* column = new QVBoxLayout(&dialog);
    auto* find = new QLineEdit;
    find->setObjectName(QStringLiteral("find-module"));
    find->setPlaceholderText(tr("Name, or what it does"));
    auto* list = new QListWidget;
    list->setObjectName(QStringLiteral("modules"));
    if (!first.isEmpty()) {
        list->addItem(first);
        auto* file = new QListWidgetItem(tr("one from a file…"));
        file->setData(Qt::UserRole, QString::fromLatin1(kFromFile));
        list->addItem(file);
    }
    const Library& library = session_.document.library();
    for (const auto& [id, module] : library.modules()) {
        std::set<std::string> kinds;
        for (const PartInfo& part : module.parts)
            for (const PartBlock& block : part.blocks) kinds.insert(block.type->name);
        QStringList what;
        for (const std::string& kind : kinds) what << QCoreApplication::translate("core", kind.c_str());
        const QString about = QCoreApplication::translate("modules", module.description.about.c_str());
        auto* item = new QListWidgetItem(tr("%1 – %2 HP – %3")
                                             .arg(q(module.description.name))
                                             .arg(module.description.hp)
                                             .arg(about.isEmpty() ? what.join(QStringLiteral(", ")) : about));
        item->setData(Qt::UserRole, q(id));
        item->setData(kFound, QString(item->text() + QLatin1Char(' ') + what.join(QLatin1Char(' '))));
        item->setToolTip(what.join(QStringLiteral(", ")));
        list->addItem(item);
    }
    connect(find, &QLineEdit::textChanged, list, [list](const QString& text) {
        QListWidgetItem* first = nullptr;
        for (int i = 0; i < list->count(); ++i) {
            QListWidgetItem* item = list->item(i);
            const QString found = item->data(kFound).toString() + item->text();
            item->setHidden(!found.contains(text, Qt::CaseInsensitive));
            if (!item->isHidden() && !first) first = item;
        }
        list->setCurrentItem(first);
    });
    auto* buttons = new QDialogButtonBox(QDialogButtonBox::Ok | QDialogButtonBox::Cancel);
    connect(buttons, &QDialogButtonBox::accepted, &dialog, &QDialog::accept);
    connect(buttons, &QDialogButtonBox::rejected, &dialog, &QDialog::reject);
    connect(list, &QListWidget::itemDoubleClicked, &dialog, &QDialog::accept);
    column->addWidget(find);
    column->addWidget(list, 1);
    column->addWidget(buttons);
    list->setCurrentRow(0);
    if (dialog.exec() != QDialog::Accepted || !list->currentItem()) return {};
    const QString id = list->currentItem()->data(Qt::UserRole).toString();
    return id.isEmpty() ? QString::fromLatin1(kNothing) : id;
}

void StockPlace::make(const std::string& module, std::optional<StandView> view) {
    pages_->setCurrentWidget(maker_);
    setFocusProxy(maker_);
    maker_->begin(module, view);
}

void StockPlace::askWhatToMake(const std::string& module) {
    if (!module.empty()) return make(module);
    const QString id = askForModule(tr("Make a module like"), tr("none: from a first block on"));
    if (id != QLatin1String(kFromFile)) {
        if (!id.isEmpty()) make(id == QLatin1String(kNothing) ? std::string() : id.toStdString());
        return;
    }
    const QString file = QFileDialog::getOpenFileName(this, tr("A module from a file"), {},
                                                      tr("Modules and their lines (*.json *.txt)"));
    if (file.isEmpty()) return;
    pages_->setCurrentWidget(maker_);
    setFocusProxy(maker_);
    maker_->beginFromFile(file);
}

/// The knobs of a module that can be read.
void StockPlace::showKnobs(const std::string& slot) {
    const Case* housing = session_.document.housing();
    const Slot* there = housing ? housing->slot(slot) : nullptr;
    const ModuleInfo* module = there ? session_.document.library().module(there->module) : nullptr;
    if (!module) return;
    auto* menu = new QMenu(window());
    menu->setObjectName(QStringLiteral("knobs-menu"));
    menu->setAttribute(Qt::WA_DeleteOnClose);
    for (const PartInfo& part : module->parts)
        for (const KnobInfo& knob : part.knobs)
            if (knob.scale.taper != Taper::Switch && knob.scale.words.empty())
                menu->addAction(module->parts.size() > 1 ? tr("%1, %2").arg(q(part.name), q(knob.name)) : q(knob.name),
                                this, [this, m = there->module, p = part.id, k = knob.id] {
                                    calibrateKnob(session_, m, p, k, window());
                                });
    if (menu->isEmpty()) {
        delete menu;
        Q_EMIT message(tr("%1 has no knob that can be read.").arg(q(module->description.name)), false);
        return;
    }
    menu->popup(panel_->mapToGlobal(QPoint(0, 80)));
}

void StockPlace::addActions(const Menus& menus) {
    menus.patch.addSeparator();
    addNamed(menus.patch, "make-module-action", tr("&Make a module…"), this, [this] { askWhatToMake({}); });
}

void StockPlace::addModule() {
    const QString chosen = askForModule(tr("Add a module"), {});
    if (chosen.isEmpty() || !session_.document.housing()) return;
    const Library& library = session_.document.library();
    const std::string id = chosen.toStdString();
    auto changed = withModule(*session_.document.housing(), library, id);
    const std::string slot = changed ? changed->slots.back().id : std::string();
    const bool loose = changed && changed->slots.back().loose();
    if (!apply(std::move(changed), tr("add a module"))) return;
    choose(slot);
    const QString name = q(library.module(id)->description.name);
    Q_EMIT message(loose ? tr("%1 has no room in a row: it lies in the bag.").arg(name)
                         : tr("%1 stands in row %2.").arg(name).arg(session_.document.housing()->slot(slot)->row),
                   false);
}

void StockPlace::addCables() {
    QDialog dialog(this);
    dialog.setWindowTitle(tr("Cables"));
    auto* form = new QFormLayout(&dialog);
    auto* length = spin(1, 1000, 30, "cable-length");
    auto* colour = new QLineEdit(QStringLiteral("blue"));
    colour->setObjectName(QStringLiteral("cable-colour"));
    colour->setMaxLength(30);
    auto* count = spin(1, 10'000, 5, "cable-count");
    form->addRow(tr("Length in cm"), length);
    form->addRow(tr("Colour"), colour);
    form->addRow(tr("How many"), count);
    auto* buttons = new QDialogButtonBox(QDialogButtonBox::Ok | QDialogButtonBox::Cancel);
    form->addRow(buttons);
    connect(buttons, &QDialogButtonBox::accepted, &dialog, &QDialog::accept);
    connect(buttons, &QDialogButtonBox::rejected, &dialog, &QDialog::reject);
    if (dialog.exec() != QDialog::Accepted || !session_.document.housing()) return;
    apply(withCables(*session_.document.housing(), length->value(), colour->text().trimmed().toStdString(),
                     count->value()),
          tr("count cables"));
}

void StockPlace::changeSupply() {
    const Case* housing = session_.document.housing();
    if (!housing) return;
    QDialog dialog(this);
    dialog.setWindowTitle(tr("Supply and size"));
    auto* form = new QFormLayout(&dialog);
    auto* plus = spin(0, 100'000, static_cast<int>(housing->supply.plus12), "case-plus12");
    auto* minus = spin(0, 100'000, static_cast<int>(housing->supply.minus12), "case-minus12");
    auto* five = spin(0, 100'000, static_cast<int>(housing->supply.plus5), "case-plus5");
    auto* rows = spin(1, kMostRows, housing->rows, "case-rows");
    auto* hp = spin(4, kMostColumns, housing->hpPerRow, "case-hp");
    form->addRow(tr("mA on +12 V"), plus);
    form->addRow(tr("mA on -12 V"), minus);
    form->addRow(tr("mA on +5 V"), five);
    form->addRow(tr("Rows"), rows);
    form->addRow(tr("HP a row"), hp);
    auto* buttons = new QDialogButtonBox(QDialogButtonBox::Ok | QDialogButtonBox::Cancel);
    form->addRow(buttons);
    connect(buttons, &QDialogButtonBox::accepted, &dialog, &QDialog::accept);
    connect(buttons, &QDialogButtonBox::rejected, &dialog, &QDialog::reject);
    if (dialog.exec() != QDialog::Accepted || !session_.document.housing()) return;
    Case changed = *session_.document.housing();
    changed.supply = {static_cast<double>(plus->value()), static_cast<double>(minus->value()),
                      static_cast<double>(five->value())};
    apply(withSize(std::move(changed), session_.document.library(), rows->value(), hp->value()),
          tr("change the supply"));
}

void StockPlace::showMenu(const std::string& slot, const QPoint& at) {
    auto* menu = new QMenu(window());
    menu->setAttribute(Qt::WA_DeleteOnClose);
    const Case* housing = session_.document.housing();
    if (!housing || !housing->slot(slot)) return;
    const ModuleInfo* module = session_.document.library().module(housing->slot(slot)->module);
    for (const PartInfo& part : module->parts)
        if (const Post* post = postAt(session_.document.patch(), slot, part.id))
            menu->addAction(tr("Show %1 in the Patch place").arg(q(post->name)), this,
                            [this, id = post->id] { session_.navigator.showPost(id); });
    menu->addAction(tr("Into the bag"), this, [this, slot] { Q_EMIT panel_->looseWanted(slot); });
    menu->addAction(tr("Take out"), this, [this, slot] { Q_EMIT panel_->outWanted(slot); });
    menu->popup(at);
}

} // namespace lariat
