#include "plan/plan_place.h"

#include "library/words.h"
#include "library/workspace.h"
#include "look/fonts.h"
#include "look/text.h"
#include "model/file.h"
#include "plan/free_wish.h"
#include "plan/keep.h"
#include "plan/recipe_words.h"
#include "shell/theme.h"
#include "widgets/plain.h"

#include <QDialog>
#include <QDialogButtonBox>
#include <QHBoxLayout>
#include <QInputDialog>
#include <QLineEdit>
#include <QListWidget>
#include <QVBoxLayout>

#include <algorithm>
#include <array>
#include <filesystem>

namespace lariat {
namespace {

constexpr int kPlanAfterMilliseconds = 200;

// What a recipe that somebody wrote in a few words is called.
[[maybe_unused]] constexpr std::array kOfWishes = {QT_TRANSLATE_NOOP("recipes", "Wish"),
                                                   QT_TRANSLATE_NOOP("recipes", "Wishes")};

} // namespace

PlanPlace::PlanPlace(const Session& session, QWidget* parent) : Place(parent), session_(session) {
    auto functions = std::make_shared<Functions>();
    if (auto read = Functions::load(dataFolder() / "functions.json"))
        *functions = std::move(*read);
    else
        problem_ = said(read.error());
    functions_ = functions;
    book_ = std::make_shared<RecipeBook>(loadRecipes(dataFolder(), session.document.workspace().own));
    auto* whole = new QVBoxLayout(this);
    whole->setContentsMargins(0, 0, 0, 0);
    pages_ = new QStackedWidget;
    whole->addWidget(pages_);
    auto* page = new QWidget;
    auto* across = new QHBoxLayout(page);
    across->setContentsMargins(0, 0, 0, 0);
    across->setSpacing(0);
    list_ = new RecipeList(session, book_, functions_);
    list_->setFixedWidth(264);
    across->addWidget(list_);

    auto* scroll = new QScrollArea;
    scroll->setFrameShape(QFrame::NoFrame);
    scroll->setWidgetResizable(true);
    scroll->setHorizontalScrollBarPolicy(Qt::ScrollBarAlwaysOff);
    scroll->setAccessibleName(tr("The plan"));
    auto* middle = new QWidget;
    auto* column = new QVBoxLayout(middle);
    column->setContentsMargins(16, 8, 16, 16);
    column->setSpacing(8);
    title_ = plainLabel({}, look().ink, 18, true);
    about_ = plainLabel({}, look().softInk);
    column->addWidget(title_);
    column->addWidget(about_);
    wishes_ = new QGridLayout;
    wishes_->setHorizontalSpacing(12);
    wishes_->setVerticalSpacing(4);
    column->addLayout(wishes_);
    counts_ = new QComboBox;
    counts_->setObjectName(QStringLiteral("counts"));
    counts_->setAccessibleName(tr("What is kept small"));
    counts_->addItems({tr("fewest cables"), tr("fewest modules"), tr("fewest moves"), tr("one row of the case")});
    instead_ = new QComboBox;
    instead_->setObjectName(QStringLiteral("instead"));
    instead_->setAccessibleName(tr("Beside what is there, or instead of a voice"));
    head_ = plainLabel(tr("Who plays what"), look().ink, 14, true);
    column->addWidget(head_);
    status_ = plainLabel({}, look().softInk);
    status_->setObjectName(QStringLiteral("plan-status"));
    column->addWidget(status_);
    roles_ = new QVBoxLayout;
    roles_->setSpacing(3);
    column->addLayout(roles_);
    found_ = plainLabel({}, look().softInk);
    found_->setObjectName(QStringLiteral("found"));
    dials_ = new FoundDials;
    ear_ = plainLabel({}, look().softInk);
    column->addWidget(found_);
    column->addWidget(dials_);
    column->addWidget(ear_);
    column->addStretch();
    scroll->setWidget(middle);
    across->addWidget(scroll, 1);

    auto* right = new QWidget;
    right->setFixedWidth(288);
    auto* side = new QVBoxLayout(right);
    side->setContentsMargins(4, 8, 16, 16);
    side->setSpacing(8);
    side->addWidget(plainLabel(tr("Goals"), look().ink, 14, true));
    goals_ = new QVBoxLayout;
    goals_->setSpacing(6);
    side->addLayout(goals_);
    find_ = plainButton(tr("Find settings"), "find-settings");
    side->addWidget(find_);
    side->addStretch();
    cables_ = plainLabel({}, look().softInk);
    side->addWidget(cables_);
    hear_ = plainButton(tr("Hear it"), "hear-plan");
    hear_->setCheckable(true);
    other_ = plainButton(tr("Other plans"), "other-plan");
    into_ = plainButton(tr("Into the patch"), "into-patch");
    into_->setFont(textFont(13, true));
    buildWith_ = plainButton(tr("Build with me"), "build-with-me");
    auto* buttons = new QGridLayout;
    buttons->addWidget(hear_, 0, 0);
    buttons->addWidget(other_, 0, 1);
    buttons->addWidget(into_, 1, 0);
    buttons->addWidget(buildWith_, 1, 1);
    side->addLayout(buttons);
    across->addWidget(right);
    pages_->addWidget(page);
    build_ = new BuildPage(session);
    pages_->addWidget(build_);
    setFocusProxy(&list_->tree());

    wait_.setSingleShot(true);
    wait_.setInterval(kPlanAfterMilliseconds);
    connect(&wait_, &QTimer::timeout, this, &PlanPlace::makePlan);
    connect(list_, &RecipeList::recipeChosen, this, &PlanPlace::recipeChosen);
    connect(list_, &RecipeList::wishWritten, this, &PlanPlace::takeWish);
    connect(counts_, &QComboBox::activated, this, &PlanPlace::planSoon);
    connect(instead_, &QComboBox::activated, this, &PlanPlace::planSoon);
    connect(other_, &QPushButton::clicked, this, &PlanPlace::otherPlan);
    connect(find_, &QPushButton::clicked, this, &PlanPlace::findSettings);
    connect(hear_, &QPushButton::toggled, this, &PlanPlace::hear);
    connect(into_, &QPushButton::clicked, this, &PlanPlace::intoPatch);
    connect(buildWith_, &QPushButton::clicked, this, [this] {
        if (plan()) intoPatch();
        pages_->setCurrentWidget(build_);
        build_->begin(session_.document.patch().cables.empty() ? std::string()
                                                               : session_.document.patch().cables.back().voice,
                      false);
    });
    connect(build_, &BuildPage::ended, this, [this] { pages_->setCurrentIndex(0); });
    connect(build_, &BuildPage::message, this, &Place::message);
    connect(&session_.document, &Document::changed, this, [this] {
        if (applying_ || session_.document.auditions() || !groundChanged()) return;
        list_->look();
        planSoon();
    });
    connect(&session_.document, &Document::libraryChanged, this, [this] {
        if (applying_) return;
        list_->look();
        planSoon();
    });
    connect(&session_.document, &Document::auditionChanged, this, [this](bool on) {
        if (!on && hear_->isChecked()) hear_->setChecked(false);
    });
    connect(&session_.document, &Document::replaced, this, &PlanPlace::forget);
    list_->choose("kick-two-contours");
    recipeChosen();
}

void PlanPlace::addActions(const Menus& menus) {
    addNamed(menus.patch, "find-settings-action", tr("Find settings of the plan"), this, [this] { findSettings(); });
    addNamed(menus.patch, "plan-into-patch", tr("Plan into the patch"), this, [this] { intoPatch(); });
}

void PlanPlace::addActionsForAll(const Menus& menus) {
    addNamed(menus.patch, "keep-recipe", tr("Keep voice as a recipe…"), this, [this] { keepVoice(); });
    addNamed(menus.patch, "build-with-me-action", tr("Build with me"), this, [this] {
        session_.navigator.go(QStringLiteral("plan"));
        pages_->setCurrentWidget(build_);
        build_->begin({}, false);
    });
    addNamed(menus.patch, "take-apart", tr("Take apart with me"), this, [this] {
        session_.navigator.go(QStringLiteral("plan"));
        pages_->setCurrentWidget(build_);
        build_->begin({}, true);
    });
    menus.patch.addSeparator();
}

void PlanPlace::showEvent(QShowEvent* event) {
    Place::showEvent(event);
    if (stale_) planSoon();
}

void PlanPlace::hideEvent(QHideEvent* event) {
    Place::hideEvent(event);
    hear_->setChecked(false);
    build_->end();
}

void PlanPlace::changeEvent(QEvent* event) {
    Place::changeEvent(event);
    if (event->type() == QEvent::PaletteChange && roles_) showPlan();
}

void PlanPlace::forget() {
    for (auto* job : {&planning_, &measuring_, &seeking_})
        if (*job) (*job)->stop();
    planning_.reset();
    measuring_.reset();
    seeking_.reset();
    planned_.reset();
    sought_.reset();
    readings_.clear();
    stale_ = true;
    makeWishes(); // the tempo is that of the patch
    showPlan();
}

const Recipe* PlanPlace::recipe() const {
    return book_->find(list_->chosen());
}

const Plan* PlanPlace::plan() const {
    if (!planned_) return nullptr;
    if (!planned_->shortage) return which_ < planned_->plans.size() ? &planned_->plans[which_] : nullptr;
    const auto& ways = planned_->shortage->ways;
    return which_ < ways.size() && ways[which_].plan ? &*ways[which_].plan : nullptr;
}

std::optional<Patch> PlanPlace::planned() const {
    const Plan* now = plan();
    if (!now) return std::nullopt;
    if (!sought_) return now->after;
    auto turned = applyEdits(now->after, sought_->edits);
    return turned ? std::optional(std::move(*turned)) : std::nullopt;
}

void PlanPlace::showRecipe(const std::string& id) {
    list_->choose(id);
}

/// Words become a recipe, the first of the list; what was not understood is said, and the words stay.
void PlanPlace::takeWish(const QString& text) {
    auto made = recipeFromWish(text.toStdString(), *functions_);
    if (!made) {
        Q_EMIT message(said(made.error().reason), true);
        return;
    }
    auto book = std::make_shared<RecipeBook>(*book_);
    std::erase_if(book->recipes, [](const Recipe& one) { return one.id == "wish"; });
    book->recipes.insert(book->recipes.begin(), std::move(*made));
    book_ = std::move(book);
    const bool there = list_->chosen() == "wish";
    list_->field().clear(); // the wish may be hidden by what was looked for
    list_->setBook(book_);
    list_->choose("wish");
    if (there) recipeChosen();
}

void PlanPlace::recipeChosen() {
    if (const Recipe* now = recipe()) {
        title_->setText(inRecipes(now->name));
        about_->setText(inRecipes(now->about));
    }
    makeWishes();
    planned_.reset();
    planSoon();
    showPlan();
}

/// A field for each wish, over it its name; behind them what counts, and where it goes.
void PlanPlace::makeWishes() {
    for (QWidget* kept : {static_cast<QWidget*>(counts_), static_cast<QWidget*>(instead_)}) {
        wishes_->removeWidget(kept);
        kept->setParent(this);
        kept->hide();
    }
    emptyLayout(wishes_);
    const Recipe* now = recipe();
    if (!now) return;
    int place = 0;
    constexpr int kAcross = 4;
    const auto put = [&](const QString& name, QWidget* editor, int wide) {
        if (place % kAcross + wide > kAcross) place += kAcross - place % kAcross;
        const int row = 2 * (place / kAcross);
        auto* label = plainLabel(name, look().softInk);
        label->setBuddy(editor);
        wishes_->addWidget(label, row, place % kAcross, 1, wide);
        wishes_->addWidget(editor, row + 1, place % kAcross, 1, wide);
        editor->show();
        place += wide;
    };
    Wishes& wished = wished_[now->id];
    for (const Wish& wish : now->wishes) {
        std::string text = wished.contains(wish.id) ? wished.at(wish.id) : wish.initial;
        // A patch that runs has its tempo.
        if (wish.kind == Wish::Kind::Tempo && !wished.contains(wish.id))
            if (const double bpm = tempoOf(session_.document.patch(), session_.document.library()); bpm >= 20.0)
                text = fmt::format("{:g} BPM", bpm);
        if (wish.kind == Wish::Kind::Choice) {
            auto* box = new QComboBox;
            for (const std::string& choice : wish.choices) box->addItem(inRecipes(choice), q(choice));
            box->setCurrentIndex(box->findData(q(text)));
            box->setObjectName(QStringLiteral("wish-") + q(wish.id));
            box->setAccessibleName(inRecipes(wish.name));
            box->setToolTip(inRecipes(wish.about));
            box->setFont(textFont(13));
            connect(box, &QComboBox::activated, this, [this, box, id = now->id, name = wish.id] {
                wished_[id][name] = box->currentData().toString().toStdString();
                planSoon();
            });
            put(inRecipes(wish.name), box, 1);
        } else {
            auto* field = new QLineEdit(q(text));
            field->setObjectName(QStringLiteral("wish-") + q(wish.id));
            field->setAccessibleName(inRecipes(wish.name));
            field->setToolTip(inRecipes(wish.about));
            field->setFont(textFont(13));
            field->setMaxLength(40);
            connect(field, &QLineEdit::editingFinished, this, [this, field, id = now->id, wish] {
                const std::string typed = field->text().trimmed().toStdString();
                const Wishes& known = wished_[id];
                const auto was = known.find(wish.id);
                if (typed == (was == known.end() ? wish.initial : was->second)) return;
                if (auto value = readWish(wish, typed); !value) {
                    Q_EMIT message(said(value.error().reason), true);
                    field->setText(q(was == known.end() ? wish.initial : was->second));
                    return;
                }
                wished_[id][wish.id] = typed;
                planSoon();
            });
            put(inRecipes(wish.name), field, 1);
        }
    }
    counts_->setFont(textFont(13));
    instead_->setFont(textFont(13));
    put(tr("what counts"), counts_, 2);
    put(tr("where"), instead_, 2);
}

/// Turning a knob changes no plan; posts, cables, steps and the case do.
bool PlanPlace::groundChanged() {
    Patch now = session_.document.patch();
    for (Post& post : now.posts) {
        post.knobs.clear();
        post.knobNotes.clear();
    }
    now.settings.clear();
    now.scenes.clear();
    now.controllers.clear();
    const Case* housing = session_.document.housing();
    Case there = housing ? *housing : Case{};
    if (now == ground_ && there == groundCase_) return false;
    ground_ = std::move(now);
    groundCase_ = std::move(there);
    return true;
}

void PlanPlace::planSoon() {
    stale_ = true;
    if (planning_) planning_->stop();
    if (measuring_) measuring_->stop();
    if (seeking_) seeking_->stop();
    planning_.reset();
    measuring_.reset();
    seeking_.reset();
    if (isVisible()) wait_.start();
}

void PlanPlace::makePlan() {
    stale_ = false;
    // Voices that may go.
    const QString was = instead_->currentData().toString();
    const QSignalBlocker quiet(instead_);
    instead_->clear();
    instead_->addItem(tr("beside what is there"), QString());
    QStringList voices;
    for (const Post& post : session_.document.patch().posts)
        if (!post.voice.empty() && !voices.contains(q(post.voice))) voices << q(post.voice);
    for (const QString& voice : voices) instead_->addItem(tr("instead of %1").arg(voice), voice);
    instead_->setCurrentIndex(std::max(0, instead_->findData(was)));

    const Recipe* now = recipe();
    const Case* housing = session_.document.housing();
    if (!now || !housing) {
        planned_.reset();
        problem_ = housing ? tr("Choose a recipe on the left.")
                           : tr("This patch names a case that is not here: choose one in the Stock place.");
        showPlan();
        return;
    }
    PlanAsk ask;
    ask.wishes = wished_[now->id];
    if (now->wish("tempo") && !ask.wishes.contains("tempo"))
        if (const double bpm = tempoOf(session_.document.patch(), session_.document.library()); bpm >= 20.0)
            ask.wishes["tempo"] = fmt::format("{:g} BPM", bpm);
    ask.allot.counts = static_cast<Counts>(counts_->currentIndex());
    ask.allot.instead = instead_->currentData().toString().toStdString();
    ask.allot.seconds = 1.0;
    ask.voice = inRecipes(now->name).section(QLatin1Char(','), 0, 0).toStdString();
    status_->setText(tr("Planning…"));
    planning_ = session_.jobs.start(
        tr("Planning"), this,
        // What is planned points at parts of the library, which stays as long as the document.
        [ask, recipe = inTheirWords(*now), library = &session_.document.library(), functions = functions_,
         housing = *housing, patch = session_.document.patch()](const Progress& progress) {
            PlanAsk mine = ask;
            mine.recipe = &recipe;
            const Site site{library, functions.get(), &housing, patch};
            return planRecipe(mine, site, [&progress] { return progress(0.5); });
        },
        [this](Result<Planned> made) {
            planning_.reset();
            which_ = 0;
            readings_.clear();
            sought_.reset();
            if (made) {
                problem_.clear();
                planned_ = std::make_shared<const Planned>(std::move(*made));
            } else {
                planned_.reset();
                problem_ = said(made.error().reason);
            }
            showPlan();
            measure();
        });
}

void PlanPlace::measure() {
    const Plan* now = plan();
    if (!now) return;
    auto goals = goalsOf(*planned_, *now);
    if (!goals || goals->empty()) {
        showGoals();
        return;
    }
    measuring_ = session_.jobs.start(
        tr("Measuring the plan"), this,
        [patch = now->after, library = &session_.document.library(), goals = *goals](const Progress& progress) {
            return measureGoals(patch, *library, goals, [&progress] { return progress(0.5); });
        },
        [this](const Result<std::vector<GoalReading>>& measured) {
            measuring_.reset();
            if (measured) readings_ = *measured;
            showGoals();
        });
}

void PlanPlace::findSettings() {
    const Plan* now = plan();
    if (!now || seeking_) return;
    auto goals = goalsOf(*planned_, *now);
    const auto knobs = trimsOf(*planned_, *now);
    if (!goals || goals->empty() || knobs.empty()) {
        Q_EMIT message(tr("This recipe has no knob that is to be found: what it says is where they stand."), false);
        return;
    }
    if (measuring_) measuring_->stop();
    measuring_.reset();
    found_->setText(tr("Turning knobs in silent runs…"));
    seeking_ = session_.jobs.start(
        tr("Finding settings"), this,
        [patch = now->after, library = &session_.document.library(), goals = *goals, knobs](const Progress& progress) {
            SeekOptions options;
            options.progress = [&progress](double done) { return progress(done); };
            return seek(patch, *library, goals, knobs, options);
        },
        [this](Result<Sought> sought) {
            seeking_.reset();
            if (!sought) {
                Q_EMIT message(said(sought.error().reason), true);
                return;
            }
            readings_ = sought->goals;
            sought_ = std::move(*sought);
            showPlan();
            if (session_.document.auditions()) hear(true);
        });
}

void PlanPlace::otherPlan() {
    if (!planned_ || planned_->shortage || planned_->plans.empty()) return;
    which_ = (which_ + 1) % planned_->plans.size();
    sought_.reset();
    readings_.clear();
    showPlan();
    measure();
    if (hear_->isChecked()) hear(true);
}

void PlanPlace::hear(bool on) {
    if (!on) {
        session_.document.audition(nullptr);
        return;
    }
    if (auto patch = planned()) {
        session_.document.audition(std::make_shared<const Patch>(std::move(*patch)));
        session_.sound.setRunning(true);
    }
}

void PlanPlace::intoPatch() {
    const Plan* now = plan();
    if (!now) return;
    if (planning_ || wait_.isActive()) { // of another patch than this one
        Q_EMIT message(tr("A moment: it is being planned anew."), false);
        return;
    }
    Edits edits = now->edits;
    if (sought_) edits.insert(edits.end(), sought_->edits.begin(), sought_->edits.end());
    const std::string voice = now->voice;
    hear_->setChecked(false);
    if (session_.log) session_.log->keepBefore(TakeKind::BeforePlan);
    applying_ = true;
    const bool done = session_.document.apply(edits, tr("build %1").arg(q(voice)));
    applying_ = false;
    if (done) {
        (void)groundChanged();
        list_->look();
        Q_EMIT message(
            tr("%1 is in the patch, with its cables in build order. Ctrl+Z takes it out again.").arg(q(voice)), false);
        planSoon();
    }
}

/// A voice of the open patch, or all of it, becomes a recipe in the user's own folder.
/// Which knobs are wished each time; false if the user thinks better of it.
bool PlanPlace::askWhatVaries(KeepAsk& ask) {
    QDialog dialog(this);
    dialog.setObjectName(QStringLiteral("what-varies"));
    dialog.setWindowTitle(tr("Keep as a recipe"));
    dialog.resize(420, 460);
    auto* column = new QVBoxLayout(&dialog);
    column->addWidget(
        plainLabel(tr("Which knobs are to be wished each time? The others stand as they do now."), look().ink));
    auto* list = new QListWidget;
    list->setFont(textFont(13));
    const Patch& patch = session_.document.patch();
    for (const Post& post : patch.posts) {
        if (!ask.voice.empty() && post.voice != ask.voice) continue;
        for (const KnobInfo& knob : session_.document.library().part(post)->knobs) {
            // One alone tells whether its function has a word for it.
            KeepAsk one = ask;
            one.vary = {{post.id, knob.id}};
            if (knob.momentary || !keepAsRecipe(patch, session_.document.library(), *functions_, one)) continue;
            auto* item = new QListWidgetItem(
                tr("%1, %2: %3").arg(q(post.name), q(knob.name), q(knob.scale.text(knobValue(post, knob)))));
            item->setData(Qt::UserRole, QStringList{q(post.id), q(knob.id)});
            item->setFlags(item->flags() | Qt::ItemIsUserCheckable);
            item->setCheckState(Qt::Unchecked);
            list->addItem(item);
        }
    }
    column->addWidget(list, 1);
    auto* buttons = new QDialogButtonBox(QDialogButtonBox::Ok | QDialogButtonBox::Cancel);
    column->addWidget(buttons);
    connect(buttons, &QDialogButtonBox::accepted, &dialog, &QDialog::accept);
    connect(buttons, &QDialogButtonBox::rejected, &dialog, &QDialog::reject);
    if (dialog.exec() != QDialog::Accepted) return false;
    for (int i = 0; i < list->count(); ++i)
        if (list->item(i)->checkState() == Qt::Checked) {
            const QStringList at = list->item(i)->data(Qt::UserRole).toStringList();
            ask.vary.emplace(at[0].toStdString(), at[1].toStdString());
        }
    return true;
}

void PlanPlace::keepVoice() {
    const Patch& patch = session_.document.patch();
    QStringList voices{tr("all of it")};
    for (const Post& post : patch.posts)
        if (!post.voice.empty() && !voices.contains(q(post.voice))) voices << q(post.voice);
    bool good = false;
    const QString voice =
        QInputDialog::getItem(this, tr("Keep as a recipe"), tr("Which voice"), voices, 0, false, &good);
    if (!good) return;
    const bool all = voice == voices.front();
    const QString name = QInputDialog::getText(this, tr("Keep as a recipe"), tr("Its name"), QLineEdit::Normal,
                                               all ? q(patch.title) : voice, &good)
                             .trimmed();
    if (!good || name.isEmpty()) return;
    KeepAsk ask{all ? std::string() : voice.toStdString(),
                "my-" + idFrom(name.toStdString(), 56),
                name.toStdString(),
                "Yours",
                {}};
    if (!askWhatVaries(ask)) return;
    const auto kept = keepAsRecipe(patch, session_.document.library(), *functions_, ask);
    if (!kept) {
        Q_EMIT message(said(kept.error().reason), true);
        return;
    }
    const std::filesystem::path own = session_.document.workspace().own;
    if (own.empty()) {
        Q_EMIT message(tr("There is no folder of your own to keep it in."), true);
        return;
    }
    std::error_code problem;
    std::filesystem::create_directories(own / "recipes", problem);
    if (const auto written = writeFile(own / "recipes" / (kept->id + ".json"), writeRecipe(*kept), FileKind::Document);
        !written) {
        Q_EMIT message(said(written.error()), true);
        return;
    }
    book_ = std::make_shared<RecipeBook>(loadRecipes(dataFolder(), own));
    list_->setBook(book_);
    Q_EMIT message(tr("%1 is among the recipes now.").arg(name), false);
}

} // namespace lariat
