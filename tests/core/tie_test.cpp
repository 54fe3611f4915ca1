// The tie line: plain sentences, completion, and helpful refusals.
#include "library/tie.h"
#include "support/patches.h"

#include <QtTest>

using namespace lariat;
using namespace lariat::test;

class TieTest : public QObject {
    Q_OBJECT

  private Q_SLOTS:
    void sentencesAreUnderstood_data() {
        QTest::addColumn<QString>("sentence");
        QTest::addColumn<QString>("from");
        QTest::addColumn<QString>("to");
        QTest::newRow("plain") << "lfo sine to follower pwm"
                               << "lfo.sine"
                               << "osc-a.pwm";
        QTest::newRow("case") << "LFO Sine TO Follower PWM"
                              << "lfo.sine"
                              << "osc-a.pwm";
        QTest::newRow("blanks") << "  lfo   sine  to  follower  pwm "
                                << "lfo.sine"
                                << "osc-a.pwm";
        QTest::newRow("words with blanks") << "clock 24 ppqn to mixer in 3"
                                           << "clock.ppqn-24"
                                           << "mixer.in-3";
        QTest::newRow("as written in files") << "contour-1.inverted to mixer.in-4"
                                             << "contour-1.inverted"
                                             << "mixer.in-4";
    }
    void sentencesAreUnderstood() {
        QFETCH(QString, sentence);
        QFETCH(QString, from);
        QFETCH(QString, to);
        const auto tie = readTie(sentence.toStdString(), lamp(), workspace().library);
        QVERIFY2(tie, tie ? "" : tie.error().reason.c_str());
        QCOMPARE(QString::fromStdString(tie->cable.from.text()), from);
        QCOMPARE(QString::fromStdString(tie->cable.to.text()), to);
    }

    void refusalsSayWhatIsNear_data() {
        QTest::addColumn<QString>("sentence");
        QTest::addColumn<QString>("says");
        QTest::newRow("no to") << "lfo sine follower pwm"
                               << "which output goes to which input";
        QTest::newRow("misspelt") << "lfo sin to follower pwm"
                                  << "LFO sine";
        QTest::newRow("misspelt input") << "lfo sine to folower pwm"
                                        << "Follower pwm";
        QTest::newRow("taken") << "lfo sine to filter in 1"
                               << "cable 1 already";
        QTest::newRow("nothing behind to") << "lfo sine to "
                                           << "input is missing";
        QTest::newRow("empty") << ""
                               << "which output";
        QTest::newRow("an input first") << "filter in 2 to filter cv 1"
                                        << "no output";
    }
    void refusalsSayWhatIsNear() {
        QFETCH(QString, sentence);
        QFETCH(QString, says);
        const auto tie = readTie(sentence.toStdString(), lamp(), workspace().library);
        QVERIFY(!tie);
        QVERIFY2(QString::fromStdString(tie.error().reason).contains(says, Qt::CaseInsensitive),
                 tie.error().reason.c_str());
    }

    void newCablesJoinTheVoiceOfTheirTarget() {
        const auto tie = readTie("lfo sine to kick osc pwm", lamp(), workspace().library);
        QVERIFY(tie);
        QCOMPARE(tie->cable.voice, std::string("Kick"));
        QCOMPARE(tie->cable.step, std::string("two contours, one trigger"));
        const auto lead = readTie("lfo sine to follower pwm", lamp(), workspace().library);
        QCOMPARE(lead->cable.step, std::string("sync sweep"));
        QCOMPARE(lead->row, 15); // behind the last row of that heading
    }

    void jacksMayBeGivenInEitherOrder() {
        const auto tie = makeTie(jackRef("osc-a.pwm"), jackRef("lfo.sine"), lamp(), workspace().library);
        QVERIFY(tie);
        QCOMPARE(tie->cable.from.text(), std::string("lfo.sine"));
        QVERIFY(!makeTie(jackRef("osc-a.saw"), jackRef("lfo.sine"), lamp(), workspace().library));
        QVERIFY(!makeTie(jackRef("osc-a.pwm"), jackRef("osc-a.fm"), lamp(), workspace().library));
    }

    void completionOffersOutputsThenFreeInputs() {
        const auto outputs = completeTie("foll", lamp(), workspace().library);
        QVERIFY(!outputs.empty());
        for (const std::string& text : outputs) QVERIFY(text.starts_with("Follower ") && text.ends_with(" to "));
        const auto inputs = completeTie("follower saw to ", lamp(), workspace().library, 50);
        QVERIFY(inputs.size() > 10);
        for (const std::string& text : inputs) QVERIFY(text != "Follower saw to Filter in 1"); // taken
        QCOMPARE(inputs.front().substr(0, 16), std::string("Follower saw to "));
        const auto some = completeTie("follower saw to mix", lamp(), workspace().library);
        QVERIFY(std::ranges::find(some, "Follower saw to Mixer in 3") != some.end());
        QVERIFY(completeTie("nonsense to ", lamp(), workspace().library).empty());
    }

    void whatIsOfferedSaysItsRange() {
        const auto about = [](const char* sentence) { return aboutCompletion(sentence, lamp(), workspace().library); };
        QCOMPARE(about("Follower triangle to "), std::string("-5…+5 V, free"));
        QCOMPARE(about("Contour 2 out to "), std::string("0…+8 V, in use 2×"));
        QCOMPARE(about("LFO sine to Follower pwm"), std::string("-5…+5 V"));
        QCOMPARE(about("nonsense"), std::string());
    }

    /// A list from somebody's notes goes in as a whole, or not at all.
    void aListOfSentences() {
        const auto read = [](const char* text) { return readTies(text, lamp(), workspace().library); };
        const auto two = read("1. lfo sine to follower pwm\n\n  - lfo saw to filter in 2 ;");
        QVERIFY(two);
        QCOMPARE(two->size(), std::size_t{2});
        QVERIFY(applyEdits(lamp(), *two));
        const auto twice = read("lfo sine to follower pwm; lfo saw to follower pwm");
        QVERIFY(!twice);
        QVERIFY2(twice.error().reason.starts_with("sentence 2"), twice.error().reason.c_str());
        QVERIFY(!read(""));
        QVERIFY(!read("lfo sine follower pwm"));
    }

    /// A post may have a "to" in its name.
    void namesWithAToOfTheirOwn() {
        Patch patch = lamp();
        for (Post& post : patch.posts)
            if (post.id == "lfo") post.name = "Switch 4 to 1";
        const auto tie = readTie("switch 4 to 1 sine to follower pwm", patch, workspace().library);
        QVERIFY2(tie, tie ? "" : tie.error().reason.c_str());
        QCOMPARE(tie->cable.from.text(), std::string("lfo.sine"));
        const auto offered = completeTie("switch 4 to 1 sine to follower pw", patch, workspace().library);
        QVERIFY(!offered.empty());
        QCOMPARE(offered.front(), std::string("Switch 4 to 1 sine to Follower pwm"));
    }

    void whatIsOfferedIsUnderstood() {
        for (const std::string& text : completeTie("leader sine to ", lamp(), workspace().library, 100))
            QVERIFY2(readTie(text, lamp(), workspace().library), text.c_str());
    }
};

QTEST_APPLESS_MAIN(TieTest)
#include "tie_test.moc"
