#include "plan/recipe_list.h"

#include "look/fonts.h"
#include "look/text.h"
#include "plan/free_wish.h"
#include "plan/recipe_words.h"
#include "shell/theme.h"

#include <QHeaderView>
#include <QLabel>
#include <QVBoxLayout>

#include <algorithm>
#include <set>

namespace lariat {
namespace {

constexpr int kLookAfterMilliseconds = 300;
constexpr std::size_t kAtOnce = 4;     ///< recipes of one job
constexpr double kSolveSeconds = 0.25; ///< enough to see whether it fits

constexpr int kFaulty = -1;  ///< it cannot be planned at all
constexpr int kUnclear = -2; ///< time ran out

/// How many roles nobody plays; 0: it fits.
int shortOf(const Recipe& recipe, const Site& site) {
    auto values = wishValues(recipe, {});
    if (!values) return kFaulty;
    AllotAsk ask;
    ask.seconds = kSolveSeconds;
    auto allotment = allot(chosen(recipe, *values), site, ask);
    if (!allotment) return kFaulty;
    if (!allotment->complete() && !allotment->isShort()) return kUnclear;
    return static_cast<int>(std::ranges::count_if(allotment->castings, [](const Casting& one) { return !one.seat; }));
}

} // namespace

RecipeList::RecipeList(const Session& session, std::shared_ptr<const RecipeBook> book,
                       std::shared_ptr<const Functions> functions, QWidget* parent)
    : QWidget(parent), session_(session), book_(std::move(book)), functions_(std::move(functions)) {
    auto* layout = new QVBoxLayout(this);
    layout->setContentsMargins(12, 10, 0, 0);
    field_ = new QLineEdit;
    field_->setObjectName(QStringLiteral("find-recipe"));
    field_->setPlaceholderText(tr("Find a recipe"));
    field_->setAccessibleName(tr("Find a recipe"));
    field_->setFont(textFont(13));
    field_->setClearButtonEnabled(true);
    tree_ = new QTreeWidget;
    tree_->setObjectName(QStringLiteral("recipes"));
    tree_->setAccessibleName(tr("Recipes"));
    tree_->setColumnCount(2);
    tree_->setHeaderHidden(true);
    tree_->setFrameShape(QFrame::NoFrame);
    tree_->setIndentation(10);
    tree_->setRootIsDecorated(false);
    tree_->setExpandsOnDoubleClick(false);
    tree_->setTextElideMode(Qt::ElideRight);
    tree_->setHorizontalScrollBarPolicy(Qt::ScrollBarAlwaysOff);
    tree_->setFont(textFont(13));
    tree_->header()->setStretchLastSection(false);
    tree_->header()->setSectionResizeMode(0, QHeaderView::Stretch);
    tree_->header()->setSectionResizeMode(1, QHeaderView::ResizeToContents);
    layout->addWidget(field_);
    layout->addWidget(tree_, 1);
    auto* or_ = new QLabel(tr("Or say what you want"));
    or_->setFont(textFont(13));
    wish_ = new QLineEdit;
    wish_->setObjectName(QStringLiteral("free-wish"));
    wish_->setFont(textFont(13));
    wish_->setMaxLength(static_cast<int>(kLongestWish) / 4);
    wish_->setPlaceholderText(tr("2 vco, filter, 2 vca, contour for both"));
    wish_->setToolTip(
        tr("Parts with commas between them; \"for\" says for whom, \"to\" what it moves: lfo slow to pwm"));
    or_->setBuddy(wish_);
    layout->addWidget(or_);
    layout->addWidget(wish_);
    layout->addSpacing(10);
    connect(wish_, &QLineEdit::returnPressed, this, [this] {
        if (const QString text = wish_->text().trimmed(); !text.isEmpty()) Q_EMIT wishWritten(text);
    });
    wait_.setSingleShot(true);
    wait_.setInterval(kLookAfterMilliseconds);
    connect(&wait_, &QTimer::timeout, this, [this] { lookAt(0); });
    connect(field_, &QLineEdit::textChanged, this, &RecipeList::find);
    connect(field_, &QLineEdit::returnPressed, tree_, [this] { tree_->setFocus(); });
    connect(tree_, &QTreeWidget::currentItemChanged, this, [this] {
        if (const std::string id = chosen(); !id.empty()) Q_EMIT recipeChosen(id);
    });
    fill();
}

void RecipeList::showEvent(QShowEvent* event) {
    QWidget::showEvent(event);
    if (stale_) wait_.start();
}

void RecipeList::setBook(std::shared_ptr<const RecipeBook> book) {
    const std::string was = chosen();
    book_ = std::move(book);
    fill();
    choose(was);
    look();
}

void RecipeList::fill() {
    const QSignalBlocker quiet(tree_);
    tree_->clear();
    QTreeWidgetItem* group = nullptr;
    for (const Recipe& recipe : book_->recipes) {
        const QString name = inRecipes(recipe.group);
        if (!group || group->text(0) != name) {
            group = new QTreeWidgetItem(tree_, {name});
            group->setFlags(Qt::ItemIsEnabled);
            group->setFont(0, textFont(13, true));
            group->setForeground(0, lariat::look().softInk);
            group->setFirstColumnSpanned(true);
        }
        auto* item = new QTreeWidgetItem(group, {inRecipes(recipe.name)});
        item->setData(0, Qt::UserRole, q(recipe.id));
        item->setToolTip(0, inRecipes(recipe.about));
        item->setTextAlignment(1, Qt::AlignRight | Qt::AlignVCenter);
    }
    tree_->expandAll();
}

QTreeWidgetItem* RecipeList::itemOf(const std::string& id) const {
    for (int g = 0; g < tree_->topLevelItemCount(); ++g)
        for (int i = 0; i < tree_->topLevelItem(g)->childCount(); ++i)
            if (tree_->topLevelItem(g)->child(i)->data(0, Qt::UserRole).toString().toStdString() == id)
                return tree_->topLevelItem(g)->child(i);
    return nullptr;
}

void RecipeList::choose(const std::string& id) {
    if (QTreeWidgetItem* item = itemOf(id)) tree_->setCurrentItem(item);
}

std::string RecipeList::chosen() const {
    const QTreeWidgetItem* item = tree_->currentItem();
    return item ? item->data(0, Qt::UserRole).toString().toStdString() : std::string();
}

QString RecipeList::verdict(const std::string& id) const {
    const QTreeWidgetItem* item = itemOf(id);
    return item ? item->text(1) : QString();
}

void RecipeList::find(const QString& text) {
    QTreeWidgetItem* first = nullptr;
    for (int g = 0; g < tree_->topLevelItemCount(); ++g) {
        QTreeWidgetItem* group = tree_->topLevelItem(g);
        bool any = false;
        for (int i = 0; i < group->childCount(); ++i) {
            QTreeWidgetItem* item = group->child(i);
            const bool fits = (item->text(0) + item->toolTip(0)).contains(text, Qt::CaseInsensitive);
            item->setHidden(!fits);
            any = any || fits;
            if (fits && !first) first = item;
        }
        group->setHidden(!any);
    }
    if (first && (!tree_->currentItem() || tree_->currentItem()->isHidden())) tree_->setCurrentItem(first);
}

void RecipeList::look() {
    stale_ = true;
    if (job_) job_->stop();
    if (isVisible()) wait_.start();
}

/// A few recipes at a time, so that what is seen first is known first.
void RecipeList::lookAt(std::size_t next) {
    stale_ = next < book_->recipes.size();
    if (!stale_ || !isVisible()) return;
    const Case* housing = session_.document.housing();
    if (!housing) return;
    struct Looked {
        std::vector<int> shorts;
    };
    job_ = session_.jobs.start(
        tr("Looking which recipes fit"), this,
        [book = book_, functions = functions_, library = &session_.document.library(), housing = *housing,
         patch = session_.document.patch(), next](const Progress& progress) {
            Looked out;
            const Site site{library, functions.get(), &housing, patch};
            for (std::size_t i = next; i < std::min(next + kAtOnce, book->recipes.size()); ++i) {
                if (!progress(static_cast<double>(i) / static_cast<double>(book->recipes.size()))) break;
                out.shorts.push_back(shortOf(book->recipes[i], site));
            }
            return out;
        },
        [this, next](const Looked& looked) {
            for (std::size_t i = 0; i < looked.shorts.size() && next + i < book_->recipes.size(); ++i) {
                QTreeWidgetItem* item = itemOf(book_->recipes[next + i].id);
                const int lacks = looked.shorts[i];
                if (!item) continue;
                item->setText(1, lacks == 0          ? tr("fits")
                                 : lacks == kFaulty  ? tr("faulty")
                                 : lacks == kUnclear ? tr("large")
                                                     : tr("%n short", nullptr, lacks));
                item->setToolTip(1, lacks == kUnclear ? tr("Choose it to find out: it takes a while.") : QString());
                item->setForeground(1, lacks == 0 ? lariat::look().accent : lariat::look().alarm);
            }
            lookAt(next + kAtOnce);
        });
}

} // namespace lariat
