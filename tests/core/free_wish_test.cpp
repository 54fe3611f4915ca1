// Free-hand wishes: a few words become a recipe that is planned, built and heard like any other.
#include "engine/render.h"
#include "library/check.h"
#include "library/workspace.h"
#include "measure/measure.h"
#include "plan/free_wish.h"
#include "plan/goal.h"
#include "plan/plan.h"
#include "support/cases.h"
#include "support/patches.h"

#include <QtTest>

#include <random>

using namespace lariat;
using namespace lariat::test;

namespace {

const Functions& functions() {
    static const Functions all = *Functions::load(dataFolder() / "functions.json");
    return all;
}

Recipe wish(const std::string& text) {
    auto read = recipeFromWish(text, functions());
    if (!read) throw std::runtime_error(read.error().text());
    return *read;
}

bool tied(const Recipe& recipe, const char* from, const char* to) {
    return std::ranges::any_of(recipe.cables, [&](const RecipeCable& cable) {
        return cable.from.role + "." + cable.from.word == from && cable.to.role + "." + cable.to.word == to;
    });
}

std::string valueOf(const Recipe& recipe, const char* role, const char* knob) {
    for (const RecipeKnob& one : recipe.knobs)
        if (one.at.role == role && one.at.word == knob) return one.to;
    return {};
}

} // namespace

class FreeWishTest : public QObject {
    Q_OBJECT

  private Q_SLOTS:
    void theWishOfTheGuide() {
        const Recipe r = wish("2 vco, filter, 2 vca, contour for both, lfo slow to pwm");
        QVERIFY(tied(r, "vco.saw", "filter.in"));
        QVERIFY(tied(r, "vco-2.saw", "filter.in-2"));
        QVERIFY(tied(r, "filter.low", "vca.in"));
        QVERIFY(tied(r, "filter.low", "vca-2.in"));
        QVERIFY(tied(r, "vca.out", "way-out.in"));
        QVERIFY(tied(r, "vca-2.out", "way-out-2.in"));
        QVERIFY(tied(r, "contour.out", "vca.lin-cv"));
        QVERIFY(tied(r, "contour.out", "vca-2.lin-cv"));
        QVERIFY(tied(r, "lfo.triangle", "vco.pwm"));
        QCOMPARE(valueOf(r, "lfo", "rate"), std::string("0.2 Hz"));
        // Nobody said who plays.
        QVERIFY(r.role("keys") && r.role("keys")->shared);
        QVERIFY(tied(r, "keys.pitch-1", "vco.voct"));
        QVERIFY(tied(r, "keys.pitch-1", "vco-2.voct"));
        QVERIFY(tied(r, "keys.gate-1", "contour.gate"));
        // Sound first, then playing, then movement.
        QCOMPARE(r.cables.front().step, std::string("make it sound"));
        QCOMPARE(r.cables.back().step, std::string("move it"));
    }

    void itIsReadAsItIsMeant() {
        const Recipe both = wish("two oscillators and a filter");
        QVERIFY(tied(both, "vco.saw", "filter.in"));
        QVERIFY(tied(both, "vco-2.saw", "filter.in-2"));
        const Recipe drone = wish("osc; vca");
        QCOMPARE(valueOf(drone, "vca", "offset"), std::string("70 %")); // it drones
        const Recipe own = wish("vco, vca\nshort envelope");
        QVERIFY(tied(own, "contour.out", "vca.lin-cv"));
        QCOMPARE(valueOf(own, "contour", "decay"), std::string("90 ms"));
        const Recipe two = wish("2 vco, 2 vca, 2 contour");
        QVERIFY(tied(two, "vco.saw", "vca.in"));
        QVERIFY(tied(two, "vco-2.saw", "vca-2.in"));
        QVERIFY(tied(two, "contour.out", "vca.lin-cv"));
        QVERIFY(tied(two, "contour-2.out", "vca-2.lin-cv"));
        const Recipe sequenced =
            wish("sequencer, vco, dark filter, vca, contour for the filter and vca, random to filter cutoff");
        QVERIFY(tied(sequenced, "track.pitch", "vco.voct"));
        QVERIFY(tied(sequenced, "track.gate", "contour.gate"));
        QVERIFY(tied(sequenced, "clock.sixteenths", "track.clock"));
        QVERIFY(!sequenced.role("keys"));
        QVERIFY(tied(sequenced, "contour.out", "filter.cv-1"));
        QVERIFY(tied(sequenced, "contour.out", "vca.lin-cv"));
        QCOMPARE(valueOf(sequenced, "filter", "cutoff"), std::string("250 Hz"));
        QVERIFY(std::ranges::any_of(sequenced.cables, [](const RecipeCable& cable) {
            return cable.from.role == "random" && cable.to.role == "filter" && cable.to.word == "cv-2";
        }));
        const Recipe second = wish("2 vco, vca, lfo to vco 2 pwm, contour");
        QVERIFY(tied(second, "lfo.triangle", "vco-2.pwm"));
        QVERIFY(tied(second, "vco.saw", "mixer.in-1")); // one amplifier for two: a mixer stands between
        QVERIFY(tied(second, "vco-2.saw", "mixer.in-2"));
        QVERIFY(tied(second, "mixer.mix", "vca.in"));
        const Recipe noise = wish("noise, low pass gate, contour");
        QVERIFY(std::ranges::any_of(noise.cables, [](const RecipeCable& cable) {
            return cable.from.role == "contour" && cable.to.role == "low-pass-gate";
        }));
    }

    void whatIsNotUnderstoodIsSaid_data() {
        QTest::addColumn<QString>("text");
        QTest::addColumn<QString>("says");
        const auto row = [](const char* text, const char* says) {
            QTest::newRow(text) << QString::fromUtf8(text) << QString::fromUtf8(says);
        };
        row("", "name what is wanted");
        row(", ,\n", "name what is wanted");
        row("2 vcq, filter", "near: vca, vco");
        row("0 vco", "from 1 to 16");
        row("99 vco", "from 1 to 16");
        row("purple vco", "\"purple\" was not understood");
        row("slow mult", "can be \"slow\"");
        row("vco, vca, lfo to nowhere", "nothing in this wish has a free \"nowhere\"");
        row("vco, vca, contour for the ring", "there is no ring");
        row("vco, vca, contour for both", "not two");
        row("vco, 2 vca, vco for both", "moves nothing");
        row("vco, vca, lfo to pwm, lfo to pwm, lfo to vco pwm", "free \"pwm\"");
        row("9 vco, filter", "more than one mixer takes");
        row("16 vco, 16 vca, 16 contour, 16 lfo", "more than a recipe holds");
    }
    void whatIsNotUnderstoodIsSaid() {
        QFETCH(QString, text);
        QFETCH(QString, says);
        const auto read = recipeFromWish(text.toStdString(), functions());
        QVERIFY(!read);
        QVERIFY2(QString::fromStdString(read.error().text()).contains(says), read.error().text().c_str());
    }

    void wishesArePlannedAndHeard() {
        for (const char* text :
             {"2 vco, filter, vca, contour for filter and vca, lfo slow to pwm", "vco, wavefolder, vca, contour",
              "noise, filter, vca, short contour", "sequencer, vco, filter, vca, contour, echo",
              "vco, low pass gate, contour", "vco, vca"}) {
            const Recipe recipe = wish(text);
            const Case& housing = workspace().cases.at("tower-case");
            Site site{&workspace().library, &functions(), &housing, {}};
            site.present.caseId = housing.id;
            const auto planned = planRecipe({&recipe, {}, {}}, site);
            QVERIFY2(planned, text);
            if (planned->plans.empty()) { // what is short is told, never silent
                QVERIFY2(planned->shortage && !planned->shortage->functions.empty(), text);
                qWarning("%s: short", text);
                continue;
            }
            const Patch& patch = planned->plans.front().after;
            QVERIFY(checkPatch(patch, workspace().library));
            RenderOptions options;
            options.seconds = 4.0;
            const auto heard = render(patch, workspace().library, options);
            QVERIFY2(heard, text);
            const double peak =
                std::max(measureLevel(heard->left).peak().value, measureLevel(heard->right).peak().value);
            QVERIFY2(peak > 0.1 && peak < 11.0, (text + std::string(": ") + std::to_string(peak)).c_str());
        }
    }

    void anyWordsDoNoHarm() {
        std::mt19937 random(5);
        const std::vector<std::string> words = {"vco",   "2",       "filter", ",",     "to",   "for",       "both",
                                                "vca",   "slow",    "lfo",    "pwm",   "and",  "the",       "keys",
                                                "17",    "a",       "\n",     "mult",  "s",    "-",         "all",
                                                "vco 2", "way out", "mixer",  "clock", "\xff", "sequencer", "contour"};
        for (int round = 0; round < 4000; ++round) {
            std::string text;
            for (unsigned i = 0; i < random() % 14; ++i) text += words[random() % words.size()] + " ";
            const auto read = recipeFromWish(text, functions());
            if (read) QVERIFY(readRecipe(writeRecipe(*read)));
        }
        QVERIFY(!recipeFromWish(std::string(kLongestWish + 1, 'v'), functions()));
    }
};

QTEST_APPLESS_MAIN(FreeWishTest)
#include "free_wish_test.moc"
