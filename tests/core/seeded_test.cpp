// The finder against patches it has never seen: sound ones in which it says nothing, and the same with one mistake
// made in them, which it explains, with a cure that cures. bench/finder looks at many more.
#include "support/seeded.h"

#include <QtTest>

using namespace lariat;
using namespace lariat::test;

class SeededTest : public QObject {
    Q_OBJECT

    static std::vector<Finding> look(const Patch& patch) {
        const auto observed = observe(patch, workspace().library, workspace().housing(patch));
        return findEverything(*observed)->open;
    }

  private Q_SLOTS:
    void soundPatchesAreLeftAlone() {
        for (std::uint32_t seed = 101; seed <= 108; ++seed)
            for (const Finding& finding : look(soundPatch(seed)))
                QVERIFY2(!isProblem(finding), qPrintable(QStringLiteral("%1: %2 %3 %4")
                                                             .arg(seed)
                                                             .arg(finding.rule.c_str(), finding.post.c_str(),
                                                                  finding.figure.str().c_str())));
    }

    void oneMistakeIsExplainedAndCured_data() {
        QTest::addColumn<int>("seed");
        QTest::addColumn<int>("which");
        for (int seed = 101; seed <= 104; ++seed)
            for (int which = 0; which < 5; ++which) QTest::addRow("%d/%d", seed, which) << seed << which;
    }
    void oneMistakeIsExplainedAndCured() {
        QFETCH(int, seed);
        QFETCH(int, which);
        const auto number = static_cast<std::uint32_t>(seed);
        const Seeded seeded = mistakesIn(soundPatch(number), number).at(static_cast<std::size_t>(which));
        const auto findings = look(seeded.patch);
        const Finding* why = explanation(findings, seeded);
        QStringList said;
        for (const Finding& finding : findings) said << QString::fromStdString(finding.rule + " at " + finding.post);
        QVERIFY2(why, qPrintable(QString::fromStdString(seeded.name) + QStringLiteral("; said: ") + said.join(u' ')));
        QVERIFY2(!why->fixes.empty(), seeded.name.c_str());
        const auto mended = applyEdits(seeded.patch, why->fixes.front().edits);
        QVERIFY(mended);
        for (const Finding& left : look(*mended))
            QVERIFY2(left.rule != why->rule || left.post != why->post || left.cable != why->cable,
                     (seeded.name + " by " + why->fixes.front().label.str()).c_str());
    }
};

QTEST_APPLESS_MAIN(SeededTest)
#include "seeded_test.moc"
