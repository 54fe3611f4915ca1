// The tie line: plain sentences, completion, and helpful refusals.
#include "building/sentences.h"
#include "library/check.h"
#include "library/tie.h"
#include "support/patches.h"

#include <QtTest>

using namespace lariat;
using namespace lariat::test;

namespace {

constexpr const char* kFirstVoice = R"(title: First voice
# Lead · make it play
1. clock 16ths to tracks clock
2. tracks pitch 1 to vco v/oct
- tracks gate 1 to contour gate
# Lead · make it sound
vco saw to filter in
filter low-pass to vca in; vca out to line out in l

# Lead · shape it
contour out to vca lin cv
contour out to filter cv 1
lfo triangle to filter cv 2
note: slowly
filter cutoff 412 Hz
filter cv 1 at 30 %
contour decay = 120 ms
call vco Voice
note on filter: it sings)";

} // namespace

class TieTest : public QObject {
    Q_OBJECT

  private Q_SLOTS:
    /// A knob that does another thing in a mode is named and set by the words of that mode.
    void knobsAreSetByWhatTheyDoNow() {
        PatchMaker maker("tower-case");
        const Patch patch = maker.post("f", "tidemark", "functions").knob("f", "mode", 2).make();
        const std::string name = patch.posts[0].name;
        const auto said = [&](const std::string& words) {
            const auto made = readSentences(name + " " + words, patch, workspace().library, workspace().housing(patch));
            if (!made) return -1e9;
            Patch turned = patch;
            for (const Edit& edit : made->edits) turned = *applyEdit(turned, edit);
            return turned.post("f")->knobs.at("shift");
        };
        for (const char* words : {"chord seventh", "shift seventh 4:5:6:7", "shift 76.923 %"})
            QVERIFY2(std::abs(said(words) - 100.0 * 10.0 / 13.0) < 0.01, words);
        QVERIFY(said("chord ninth") < -1e8);
        QVERIFY(said("strike down") < -1e8); // a button is pressed, not set
        Patch held = patch;
        held.posts[0].knobs["press-trigger"] = 1.0; // nor does it stand in a file
        const auto refused = checkPatch(held, workspace().library);
        QVERIFY(!refused && refused.error().text().find("button") != std::string::npos);
    }

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
        QVERIFY2(tie, tie ? "" : tie.error().reason.str().c_str());
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
        QVERIFY2(QString::fromStdString(tie.error().reason.str()).contains(says, Qt::CaseInsensitive),
                 tie.error().reason.str().c_str());
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
        const auto about = [](const char* sentence) {
            return aboutCompletion(sentence, lamp(), workspace().library).str();
        };
        QCOMPARE(about("Follower triangle to "), std::string("-5…+5 V, free"));
        QCOMPARE(about("Contour 2 out to "), std::string("0…+8 V, in use 2×"));
        QCOMPARE(about("LFO sine to Follower pwm"), std::string("-5…+5 V"));
        QCOMPARE(about("nonsense"), std::string());
    }

    /// A list from somebody's notes goes in as a whole, or not at all.
    void aListOfSentences() {
        const auto read = [](const char* text) {
            return readSentences(text, lamp(), workspace().library, workspace().housing(lamp()));
        };
        const auto two = read("1. lfo sine to follower pwm\n\n  - lfo saw to filter in 2 ;");
        QVERIFY(two);
        QCOMPARE(two->tied.size(), std::size_t{2});
        QVERIFY(applyEdits(lamp(), two->edits));
        const auto twice = read("lfo sine to follower pwm; lfo saw to follower pwm");
        QVERIFY(!twice);
        QVERIFY2(twice.error().reason.str().starts_with("sentence 2"), twice.error().reason.str().c_str());
        QVERIFY(!read(""));
        QVERIFY(!read("lfo sine follower pwm"));
    }

    /// The sentences of a first voice, into an empty chart: parts come out of the case by themselves.
    void aFirstVoiceFromNothing() {
        Patch empty;
        empty.caseId = "keepers-case";
        const auto said = readSentences(kFirstVoice, empty, workspace().library, workspace().housing(empty));
        QVERIFY2(said, said ? "" : said.error().reason.str().c_str());
        QCOMPARE(said->tied.size(), std::size_t{9});
        QCOMPARE(said->taken.size(), std::size_t{8});
        QVERIFY(said->taken[2] == "Osc A of Keel VCO pair, row 1");
        const auto patch = applyEdits(empty, said->edits).and_then([](Patch made) {
            return checkPatch(std::move(made), workspace().library);
        });
        QVERIFY2(patch, patch ? "" : patch.error().reason.str().c_str());
        QCOMPARE(patch->title, std::string("First voice"));
        const Post& filter = *patch->post("skerry-filter");
        QCOMPARE(filter.knobs.at("cutoff"), 412.0);
        QCOMPARE(filter.note, std::string("it sings"));
        QCOMPARE(patch->post("keel-a")->name, std::string("Voice"));
        const Cable* last = patch->cableInto(jackRef("skerry-filter.cv-2"));
        QVERIFY(last && last->voice == "Lead" && last->step == "shape it" && last->note == "slowly");
        // Its own example works on an empty chart too.
        QVERIFY(readSentences("osc a saw to filter in 1", empty, workspace().library, workspace().housing(empty)));
    }

    void partsComeFromTheCase() {
        const Patch patch = lamp();
        const auto read = [&](const Patch& of, const char* text) {
            return readSentences(text, of, workspace().library, workspace().housing(of));
        };
        const auto more = read(patch, "another vca out to mixer in 3");
        QVERIFY2(more, more ? "" : more.error().reason.str().c_str());
        QCOMPARE(more->taken.size(), std::size_t{1});
        // Several have the function: it asks which. Two of one name: it asks by their ids.
        const auto which = read(patch, "vca out to mixer in 3");
        QVERIFY(!which && which.error().reason.str().find("VCA 1 or VCA 2") != std::string::npos);
        Patch twins = patch;
        for (Post& post : twins.posts)
            if (post.name == "VCA 2") post.name = "VCA 1";
        const auto same = read(twins, "vca 1 out to mixer in 3");
        QVERIFY2(!same && same.error().reason.str().find("vca-1 or vca-2") != std::string::npos,
                 same.error().reason.str().c_str());
        QVERIFY(read(twins, "vca-2 out to mixer in 3"));
        // What the case has no more of is said; nothing is half done.
        std::string all;
        for (int n = 0; n < 9; ++n) all += "another vca out to another mixer in 1\n";
        QVERIFY(!read(patch, all.c_str()));
        for (const char* bad : {"filter cutoff 1e300", "filter cutoff nan", "call nothing X", "note on nowhere: x",
                                "title:", "note: too early"})
            QVERIFY2(!read(patch, bad), bad);
    }

    void freePartsAreOffered() {
        Patch empty;
        empty.caseId = "keepers-case";
        const auto offered = completeSentence("osc a s", empty, workspace().library, workspace().housing(empty));
        QVERIFY(!offered.empty());
        QVERIFY2(offered.front().text.starts_with("Osc A s"), offered.front().text.c_str());
        QVERIFY(offered.front().about.str().starts_with("free: Keel VCO pair"));
        for (const Completion& one : offered) {
            const auto inputs = completeSentence(one.text, empty, workspace().library, workspace().housing(empty));
            QVERIFY(!inputs.empty());
            QVERIFY2(readSentences(inputs.front().text, empty, workspace().library, workspace().housing(empty)),
                     inputs.front().text.c_str());
        }
    }

    /// What no one would type takes no time: 300 characters of "to", 3,000 characters, 3,000 lines.
    void hostileSentencesEnd() {
        std::string tos;
        while (tos.size() < kLongestSentence - 4) tos += "a to ";
        const Patch patch = lamp();
        const Case* housing = workspace().housing(patch);
        QVERIFY(!readSentences(tos, patch, workspace().library, housing));
        (void)completeSentence(tos, patch, workspace().library, housing);
        QVERIFY(!readSentences(std::string(3000, 'x'), patch, workspace().library, housing));
        QVERIFY(completeSentence(std::string(3000, 'x'), patch, workspace().library, housing).empty());
        std::string lines;
        for (int n = 0; n < 3000; ++n) lines += "title: a\n";
        QVERIFY(!readSentences(lines, patch, workspace().library, housing));
    }

    /// A post may have a "to" in its name.
    void namesWithAToOfTheirOwn() {
        Patch patch = lamp();
        for (Post& post : patch.posts)
            if (post.id == "lfo") post.name = "Switch 4 to 1";
        const auto tie = readTie("switch 4 to 1 sine to follower pwm", patch, workspace().library);
        QVERIFY2(tie, tie ? "" : tie.error().reason.str().c_str());
        QCOMPARE(tie->cable.from.text(), std::string("lfo.sine"));
        const auto offered = completeTie("switch 4 to 1 sine to follower pw", patch, workspace().library);
        QVERIFY(!offered.empty());
        QCOMPARE(offered.front(), std::string("Switch 4 to 1 sine to Follower pwm"));
    }

    void whatIsOfferedIsUnderstood() {
        for (const std::string& text : completeTie("leader sine to ", lamp(), workspace().library, 100))
            QVERIFY2(readTie(text, lamp(), workspace().library), text.c_str());
    }

    /// A line of a sequencer is a sentence too.
    void sentencesWriteSteps() {
        const Patch patch = lamp();
        const auto said = readSentences("tracks track 1: d3 - f3~ = c4!\ntracks lane 2 b: x..X", patch,
                                        workspace().library, workspace().housing(patch));
        QVERIFY2(said.has_value(), said ? "" : said.error().reason.str().c_str());
        const Patch made = *applyEdits(patch, said->edits);
        const Pattern& pattern = *made.pattern("tracks");
        QCOMPARE(pattern.tracks[0].steps.size(), 5u);
        QVERIFY(pattern.tracks[0].steps[4].accent);
        QCOMPARE(pattern.others.size(), 1u);
        QVERIFY(pattern.others[0].lanes[1].hits[3] == Hit::Accent);
        QVERIFY(pattern.lanes[1].hits[3] == Hit::Rest);
        const auto refused = [&](const char* sentence, const char* why) {
            const auto made = readSentences(sentence, patch, workspace().library, workspace().housing(patch));
            QVERIFY2(!made && made.error().reason.str().find(why) != std::string::npos,
                     made ? sentence : made.error().reason.str().c_str());
        };
        refused("tracks track 1: d3 h3", "step 2");
        refused("tracks track 3: d3", "this module has 2");
        refused("osc a track 1: d3", "no tracks or lanes");
    }
};

QTEST_APPLESS_MAIN(TieTest)
#include "tie_test.moc"
