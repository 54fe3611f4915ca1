// The same mistakes in unlike patches: behind mults, levels and switches, in banks, mixers, function generators and
// boxes; and their twins, which look the same and are right.
#include "examples/tables.h"

#include <QtTest>

using namespace lariat;
using namespace lariat::test;

namespace {

std::vector<Example> joined(std::initializer_list<std::vector<Example>> tables) {
    std::vector<Example> all;
    for (const auto& table : tables) all.insert(all.end(), table.begin(), table.end());
    return all;
}

} // namespace

class UnlikeTest : public QObject {
    Q_OBJECT

    const std::vector<Example> mistakes_ =
        joined({mistakesOfGates(), mistakesOfTones(), mistakesOfTunes(), mistakesOfLevels()});
    const std::vector<Example> twins_ = joined({twinsOfGates(), twinsOfTones(), twinsOfTunes(), twinsOfLevels()});

  private Q_SLOTS:
    void isFoundAndCured_data() { addRows(mistakes_); }
    void isFoundAndCured() {
        QFETCH(int, which);
        foundAndCured(mistakes_[static_cast<std::size_t>(which)]);
    }

    void itsTwinIsRight_data() { addRows(twins_); }
    void itsTwinIsRight() {
        QFETCH(int, which);
        isRight(twins_[static_cast<std::size_t>(which)]);
    }
};

QTEST_APPLESS_MAIN(UnlikeTest)
#include "unlike_test.moc"
