// Every shipped recipe on both shipped cases and on six that nobody ships: planned, or proven to be short; what is
// planned sounds, and where its settings are sought, its goals hold.
#include "library/workspace.h"
#include "plan/seek.h"
#include "support/cases.h"
#include "support/patches.h"

#include <QtTest>

using namespace lariat;
using namespace lariat::test;

namespace {

const Functions& functions() {
    static const Functions all = *Functions::load(dataFolder() / "functions.json");
    return all;
}

const RecipeBook& book() {
    static const RecipeBook all = loadRecipes(dataFolder());
    return all;
}

std::vector<Case> everyCase() {
    std::vector<Case> out = heldBackCases();
    for (const auto& [id, housing] : workspace().cases) out.push_back(housing);
    return out;
}

Planned planOn(const Recipe& recipe, const Case& housing) {
    Site site{&workspace().library, &functions(), &housing, {}};
    site.present.caseId = housing.id;
    PlanAsk ask;
    ask.recipe = &recipe;
    ask.plans = 1;
    ask.allot.seconds = 0.6;
    auto planned = planRecipe(ask, site);
    if (!planned) throw std::runtime_error(recipe.id + ": " + planned.error().text());
    return *planned;
}

} // namespace

class RecipesTest : public QObject {
    Q_OBJECT

  private Q_SLOTS:
    void allOfThemAreRead() {
        QVERIFY2(book().errors.empty(), book().errors.empty() ? "" : book().errors.front().text().c_str());
        QVERIFY(book().recipes.size() >= 40);
    }

    void everyCaseIsPlannedOrShort_data() {
        QTest::addColumn<int>("which");
        const auto cases = everyCase();
        for (std::size_t i = 0; i < cases.size(); ++i) QTest::newRow(cases[i].id.c_str()) << static_cast<int>(i);
    }
    void everyCaseIsPlannedOrShort() {
        QFETCH(int, which);
        const Case housing = everyCase()[static_cast<std::size_t>(which)];
        int fits = 0;
        for (const Recipe& recipe : book().recipes) {
            const Planned planned = planOn(recipe, housing);
            if (planned.shortage) {
                // Something is named, and nothing that is there and free is said to be missing.
                QVERIFY2(!planned.shortage->functions.empty(), recipe.id.c_str());
                continue;
            }
            ++fits;
            const Plan& plan = planned.plans.front();
            for (const RecipeGoal& goal : planned.recipe.goals)
                QVERIFY2(goal.at.role.empty() || plan.posts.contains(goal.at.role), recipe.id.c_str());
            // It sounds: what comes out is no silence and stays inside the rails.
            auto goals = *goalsOf(planned, plan);
            std::erase_if(goals, [](const Goal& goal) { return goal.kind != GoalKind::Peak; });
            if (goals.empty()) continue;
            const auto readings = measureGoals(plan.after, workspace().library, goals);
            QVERIFY2(readings, recipe.id.c_str());
            for (const GoalReading& reading : *readings)
                QVERIFY2(reading.measured && *reading.measured > 0.2 && *reading.measured < 10.9,
                         qPrintable(QString::fromStdString(recipe.id + " on " + housing.id + ": " + reading.text())));
        }
        qInfo("%s: %d of %zu fit", housing.id.c_str(), fits, book().recipes.size());
        if (housing.id == "tower-case") QCOMPARE(fits, static_cast<int>(book().recipes.size()));
        QVERIFY(fits >= (housing.id == "large" ? 30 : 1));
    }

    /// In the case that has everything, all goals of all recipes hold once their settings have been sought.
    void goalsHoldInTheTower() {
        const Case& tower = workspace().cases.at("tower-case");
        for (const Recipe& recipe : book().recipes) {
            const Planned planned = planOn(recipe, tower);
            QVERIFY(!planned.shortage);
            const Plan& plan = planned.plans.front();
            const auto goals = *goalsOf(planned, plan);
            if (goals.empty()) continue;
            const auto sought = seek(plan.after, workspace().library, goals, trimsOf(planned, plan));
            QVERIFY(sought);
            for (const GoalReading& reading : sought->goals)
                QVERIFY2(reading.met(),
                         qPrintable(QString::fromStdString(recipe.id + ": " + reading.goal.name + " " + reading.text() +
                                                           ", wanted " + reading.wanted())));
        }
    }

    /// Wishes are followed: another note, another length.
    void wishesAreFollowed() {
        const Case& keepers = workspace().cases.at("keepers-case");
        Site site{&workspace().library, &functions(), &keepers, {}};
        site.present.caseId = keepers.id;
        for (const auto& [note, length] : {std::pair{"F1", "200 ms"}, {"A0", "500 ms"}, {"C2", "150 ms"}}) {
            PlanAsk ask;
            ask.recipe = book().find("kick-two-contours");
            ask.wishes = {{"note", note}, {"length", length}};
            const Planned planned = *planRecipe(ask, site);
            const Plan& plan = planned.plans.front();
            const auto sought = *seek(plan.after, workspace().library, *goalsOf(planned, plan), trimsOf(planned, plan));
            QVERIFY2(sought.met, note);
        }
        // Left alive, no two hits are the same.
        PlanAsk ask;
        ask.recipe = book().find("kick-two-contours");
        ask.wishes = {{"school", "goes on"}};
        const Planned planned = *planRecipe(ask, site);
        const Plan& plan = planned.plans.front();
        QCOMPARE(plan.tied, 6);
        const Goal alike{"alike", GoalKind::Alike, {plan.posts.at("vca-a"), "out"}, 0.0, 1.0, 0.0, 2.4};
        const auto reading = *measureGoals(plan.after, workspace().library, {alike});
        QVERIFY(reading.front().measured && *reading.front().measured > 5.0);
    }
};

QTEST_APPLESS_MAIN(RecipesTest)
#include "recipes_test.moc"
