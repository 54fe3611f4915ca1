// The Time place as it is used: steps by mouse and keys, variations, words, fits, forecasts, step entry and recording.
#include "app/opened.h"
#include "building/capacity.h"
#include "model/pattern_text.h"
#include "time/time_place.h"

#include <QDropEvent>
#include <QMimeData>

using namespace lariat;
using namespace lariat::test;

namespace {

const LineRef kLead{"tracks", false, 0};
const LineRef kKick{"tracks", true, 0};

struct InTime : Opened {
    InTime() {
        window.resize(1280, 800);
        window.showPlace(QStringLiteral("time"));
        QTRY_VERIFY_WITH_TIMEOUT(time().responder().of("tracks") != nullptr, 10'000);
    }
    TimePlace& time() { return *dynamic_cast<TimePlace*>(window.place(QStringLiteral("time"))); }
    TimeChart& steps() { return time().chart(); }
    QWidget* view() { return steps().viewport(); }
    std::string words(const LineRef& line, int variation = 0) {
        return lineText(*patch().pattern("tracks"), line, variation);
    }
    const Step& step(int index) {
        return patch().pattern("tracks")->tracks.front().steps[static_cast<std::size_t>(index)];
    }
    void press(const QPointF& at, Qt::KeyboardModifiers with = {}) {
        QTest::mouseClick(view(), Qt::LeftButton, with, at.toPoint());
    }
    void pull(const QPointF& from, const QPointF& to, Qt::KeyboardModifiers with = {}) {
        QTest::mousePress(view(), Qt::LeftButton, with, from.toPoint());
        for (int i = 1; i <= 4; ++i) move(from + (to - from) * i / 4.0, with);
        QTest::mouseRelease(view(), Qt::LeftButton, with, to.toPoint());
    }
    void move(const QPointF& to, Qt::KeyboardModifiers with) {
        QMouseEvent event(QEvent::MouseMove, to, view()->mapToGlobal(to), Qt::NoButton, Qt::LeftButton, with);
        QApplication::sendEvent(view(), &event);
    }
    void type(const QString& text) { QTest::keyClicks(&steps(), text); }
    template <class Widget> Widget* part(const char* name) {
        return time().findChild<Widget*>(QString::fromLatin1(name));
    }
    int undoSteps() { return window.document().history().index(); }
};

} // namespace

class TimeWindowTest : public QObject {
    Q_OBJECT

    QTemporaryDir settings_;

  private Q_SLOTS:
    void initTestCase() { prepareApplication(settings_); }

    void lettersAreEnteredAtTheCursor() {
        InTime o;
        o.press(o.steps().stepBox(kLead, 0).center() + QPointF(8, 0)); // right of its note's bar: still its step
        o.window.document().history().undo(); // a press on a free place writes; here only the place matters
        o.time().editor().choose(kLead, {0});
        o.steps().setFocus();
        o.type(QStringLiteral("d-f=b"));
        QCOMPARE(o.words(kLead).substr(0, 14), std::string("D3 - F3 = B♭3").substr(0, 14)); // in D minor b is B flat
        QCOMPARE(o.time().editor().cursor(), 5);
        o.type(QStringLiteral("!"));
        QVERIFY(o.step(4).accent);
        o.type(QStringLiteral(">e"));
        QCOMPARE(o.step(5).note, 64);
        // Undo goes back step by step.
        o.window.document().history().undo();
        QCOMPARE(o.step(5).kind, lamp().pattern("tracks")->tracks.front().steps[5].kind);
        QVERIFY(o.step(5).note != 64);
    }

    void hitsArePaintedInOneMovement() {
        InTime o;
        const int before = o.undoSteps();
        const QPointF from = o.steps().stepBox(kKick, 1).center();
        const QPointF to = o.steps().stepBox(kKick, 3).center();
        o.pull(from, to);
        QCOMPARE(o.words(kKick), std::string("xxxx x... x... x.x."));
        QCOMPARE(o.undoSteps(), before + 1);
        // Begun on a hit, a movement takes away.
        o.pull(o.steps().stepBox(kKick, 0).center(), to);
        QCOMPARE(o.words(kKick), std::string(".... x... x... x.x."));
        o.press(o.steps().stepBox(kKick, 4).center(), Qt::AltModifier);
        QCOMPARE(o.words(kKick), std::string(".... X... x... x.x."));
        o.window.document().history().undo();
        o.window.document().history().undo();
        o.window.document().history().undo();
        QCOMPARE(o.words(kKick), std::string("x... x... x... x.x."));
    }

    void aNoteIsDraggedAlongTheKey() {
        InTime o;
        const int before = o.undoSteps();
        const QRectF note = o.steps().noteBox(kLead, 0);
        const QPointF grip(note.left() + 3, note.center().y());
        o.pull(grip, {grip.x(), o.steps().noteAt(kLead, 0, 54).y()}); // F♯ is not in D minor
        QVERIFY(o.step(0).note == 53 || o.step(0).note == 55);
        QCOMPARE(o.undoSteps(), before + 1);
        o.window.document().history().undo();
        QCOMPARE(o.step(0).note, 50);
        const QRectF again = o.steps().noteBox(kLead, 0);
        o.pull({again.left() + 3, again.center().y()}, {again.left() + 3, o.steps().noteAt(kLead, 0, 54).y()},
               Qt::AltModifier);
        QCOMPARE(o.step(0).note, 54);
    }

    void theEndOfANoteSetsItsGate() {
        InTime o;
        const QRectF note = o.steps().noteBox(kLead, 0);
        const QRectF box = o.steps().stepBox(kLead, 0);
        o.pull({note.right() - 2, note.center().y()}, {box.left() + 0.8 * box.width(), note.center().y()});
        QVERIFY2(std::abs(o.step(0).gate - 0.8) < 0.05, qPrintable(QString::number(o.step(0).gate)));
        QCOMPARE(o.step(1).gate, 0.46);
    }

    void aFreePlaceTakesANote() {
        InTime o;
        QCOMPARE(o.step(3).kind, Step::Kind::Rest);
        o.press(o.steps().noteAt(kLead, 3, 57));
        QCOMPARE(o.step(3).kind, Step::Kind::Note);
        QCOMPARE(o.step(3).note, 57);
        o.steps().setFocus();
        QTest::keyClick(&o.steps(), Qt::Key_Delete);
        QCOMPARE(o.step(3).kind, Step::Kind::Rest);
    }

    void stepsAreChosenMovedCopiedAndReversed() {
        InTime o;
        o.time().editor().choose(kLead, {0});
        o.steps().setFocus();
        QTest::keyClick(&o.steps(), Qt::Key_Right, Qt::ShiftModifier);
        QTest::keyClick(&o.steps(), Qt::Key_Right, Qt::ShiftModifier);
        QCOMPARE(o.time().editor().steps(), (std::set<int>{0, 1, 2}));
        QTest::keyClick(&o.steps(), Qt::Key_Up);
        QCOMPARE(o.step(0).note, 52); // D to E in D minor
        QCOMPARE(o.step(1).note, 55);
        QTest::keyClick(&o.steps(), Qt::Key_Down, Qt::ShiftModifier);
        QCOMPARE(o.step(0).note, 51);
        o.action("copy-steps")->trigger();
        o.time().editor().choose(kLead, {5});
        o.action("paste-steps")->trigger();
        QCOMPARE(o.step(5).note, 51);
        QCOMPARE(o.step(7).note, o.step(2).note);
        o.time().editor().choose(kLead, {});
        const std::string before = o.words(kLead);
        o.action("reverse-steps")->trigger();
        QVERIFY(o.words(kLead) != before);
        o.action("reverse-steps")->trigger();
        QCOMPARE(o.words(kLead), before);
        o.action("steps-right")->trigger();
        QCOMPARE(o.step(1).note, 51);
        o.action("octave-up")->trigger();
        QCOMPARE(o.step(1).note, 63);
        o.action("duplicate-steps")->trigger();
        QCOMPARE(o.patch().pattern("tracks")->tracks.front().steps.size(), 16u);
        o.action("clear-steps")->trigger();
        QVERIFY(std::ranges::none_of(o.patch().pattern("tracks")->tracks.front().steps,
                                     [](const Step& s) { return s.kind == Step::Kind::Note; }));
    }

    void aLetterBeginsAVariationAndPlaysIt() {
        InTime o;
        o.press(o.steps().variationBox("tracks", 1).center());
        QCOMPARE(o.patch().pattern("tracks")->others.size(), 1u);
        QCOMPARE(o.words(kLead, 1), o.words(kLead, 0));
        QCOMPARE(o.patch().post("tracks")->knobs.at("variation"), 1.0);
        // What is written now goes into B only.
        o.time().editor().choose(kLead, {0});
        o.steps().setFocus();
        o.type(QStringLiteral("a"));
        QVERIFY(o.words(kLead, 1) != o.words(kLead, 0));
        QCOMPARE(o.step(0).note, 50);
        // With Ctrl one is shown while the other plays.
        o.press(o.steps().variationBox("tracks", 0).center(), Qt::ControlModifier);
        QCOMPARE(o.time().editor().shown("tracks"), 0);
        QCOMPARE(o.patch().post("tracks")->knobs.at("variation"), 1.0);
        // One step takes a new variation back with its switch.
        o.window.document().history().undo();
        o.window.document().history().undo();
        QVERIFY(o.patch().pattern("tracks")->others.empty());
    }

    void theLineIsWrittenInWords() {
        InTime o;
        o.time().editor().choose(kLead, {});
        o.action("write-words")->trigger();
        QLineEdit& line = o.time().words();
        QVERIFY(line.hasFocus());
        QTest::keyClicks(&line, QStringLiteral("d3 - f3~ = c4!"));
        QTest::keyClick(&line, Qt::Key_Return);
        QCOMPARE(o.words(kLead), std::string("D3 - F3,~ = C4!"));
        // A fault is told with its step, what was typed stays, and nothing is changed.
        line.selectAll();
        QTest::keyClicks(&line, QStringLiteral("d3 h9"));
        QTest::keyClick(&line, Qt::Key_Return);
        QVERIFY2(o.window.messages().text().contains(QStringLiteral("step 2")), qPrintable(o.window.messages().text()));
        QCOMPARE(line.text(), QStringLiteral("d3 h9"));
        QCOMPARE(o.words(kLead), std::string("D3 - F3,~ = C4!"));
        // A check that ends meanwhile does not take it away.
        o.settle();
        QCOMPARE(line.text(), QStringLiteral("d3 h9"));
        // Keys of text are keys of text.
        line.selectAll();
        QTest::keyClick(&line, Qt::Key_C, Qt::ControlModifier);
        QCOMPARE(QGuiApplication::clipboard()->text(), QStringLiteral("d3 h9"));
        QTest::keyClick(&line, Qt::Key_Delete);
        QCOMPARE(o.words(kLead), std::string("D3 - F3,~ = C4!"));
    }

    void moreLinesThanTheModuleHasAreRefused() {
        InTime o;
        for (int lane = 1; lane < 4; ++lane) {
            const QRectF box = o.steps().moreBox({"tracks", true, lane});
            QVERIFY(!box.isNull());
            o.time().editor().choose({"tracks", true, lane}, {});
            QVERIFY(o.time().editor().changeLane(QStringLiteral("one more"), [](Lane& l) { l.hits[0] = Hit::Hit; }));
        }
        QVERIFY(o.steps().moreBox({"tracks", true, 4}).isNull());
        QVERIFY(!o.time().editor().change("tracks", QStringLiteral("five"), [](Pattern& p) { laneAt(p, 0, 4); }));
        QVERIFY2(o.window.messages().text().contains(QStringLiteral("this module has 4")),
                 qPrintable(o.window.messages().text()));
        QCOMPARE(o.patch().pattern("tracks")->lanes.size(), 4u);
    }

    void whatIsWrittenIsHeard() {
        InTime o;
        o.time().editor().choose(kLead, {});
        QVERIFY(o.time().editor().setWords(QStringLiteral("c5*8")).isEmpty());
        // Within a block and 20 ms of the next step the pitch is that of C5: 1 V.
        const auto tap = o.window.sound().engine().tap(jackRef("tracks.pitch-1"));
        QVERIFY(tap != nullptr);
        QTRY_VERIFY_WITH_TIMEOUT(
            !tap->samples(1).empty() && std::abs(static_cast<double>(tap->samples(1).back()) - 1.0) < 1e-3, 5'000);
    }

    void responsesFollowEveryEdit() {
        InTime o;
        const auto reached = [&] {
            const Responses* now = o.time().responder().of("tracks");
            const auto contour = std::ranges::find(now->contours, "contour-1", &ContourResponse::post);
            return contour == now->contours.end() ? -1 : static_cast<int>(contour->strikes.size()) - contour->notHeld();
        };
        QCOMPARE(reached(), 0);
        o.time().editor().choose(kLead, {});
        o.part<QSpinBox>("step-gate")->setValue(90);
        QTRY_VERIFY_WITH_TIMEOUT(o.time().responder().settled() && reached() == 14, 10'000);
        o.window.document().history().undo();
        QTRY_VERIFY_WITH_TIMEOUT(o.time().responder().settled() && reached() == 0, 10'000);
    }

    void aFigureMarksTheStepsItSpeaksOf() {
        InTime o;
        QTRY_VERIFY(!o.steps().factBox("contour-1", 0).isNull());
        o.press(o.steps().factBox("contour-1", 0).center());
        QCOMPARE(o.steps().marked(), (std::set<int>{0, 1, 2, 4, 5, 6, 7}));
        o.steps().setFocus();
        QTest::keyClick(&o.steps(), Qt::Key_Escape);
        QVERIFY(o.steps().marked().empty());
    }

    void fitToStepTurnsTheKnob() {
        InTime o;
        o.time().editor().choose(kLead, {});
        QTRY_VERIFY(o.part<QComboBox>("fit-contour")->count() > 0);
        const double before = o.patch().post("contour-1")->knobs.at("decay");
        QTest::mouseClick(o.part<QPushButton>("fit-sustain"), Qt::LeftButton);
        QTRY_VERIFY_WITH_TIMEOUT(o.patch().post("contour-1")->knobs.at("decay") != before, 20'000);
        QTRY_VERIFY_WITH_TIMEOUT(o.time().responder().settled(), 10'000);
        const Responses& now = *o.time().responder().of("tracks");
        QCOMPARE(std::ranges::find(now.contours, "contour-1", &ContourResponse::post)->notHeld(), 0);
        QVERIFY(o.window.messages().text().contains(QStringLiteral("done")));
        o.window.document().history().undo();
        QCOMPARE(o.patch().post("contour-1")->knobs.at("decay"), before);
    }

    void theForecastSaysWhichTempo() {
        InTime o;
        QTRY_VERIFY_WITH_TIMEOUT(o.time().responder().foretold(), 30'000);
        const auto& forecasts = o.time().panel().forecast().forecasts();
        QVERIFY(forecasts.size() >= 4);
        // Gates of 46 % of a 16th against 12 + 82 ms: 0.46 · 15 / 0.094 = 73.4 BPM.
        QVERIFY2(std::abs(forecasts.front().spans.front().second - 73.4) < 0.2,
                 qPrintable(QString::number(forecasts.front().spans.front().second)));
    }

    void playedNotesGoToTheCursor() {
        InTime o;
        o.time().editor().choose(kLead, {2});
        QTest::mouseClick(o.part<QPushButton>("step-entry"), Qt::LeftButton);
        o.window.sound().play({0x90, 65, 90});
        o.window.sound().play({0x80, 65, 0});
        o.window.sound().play({0x90, 69, 40});
        QCOMPARE(o.step(2).note, 65);
        QCOMPARE(o.step(2).velocity, 90);
        QCOMPARE(o.step(3).note, 69);
        QCOMPARE(o.time().editor().cursor(), 4);
        QTest::mouseClick(o.part<QPushButton>("step-entry"), Qt::LeftButton);
        o.window.sound().play({0x90, 70, 90});
        QVERIFY(o.step(4).note != 70);
    }

    void aTakeIsOneStepOfTheHistory_data() {
        QTest::addColumn<bool>("lane");
        QTest::newRow("track") << false;
        QTest::newRow("lane") << true;
    }
    /// Notes are played when the steps that are meant have just begun to be heard; each lands there or, where the
    /// machine was late, beside it, and all of them are one step of the history.
    void aTakeIsOneStepOfTheHistory() {
        QFETCH(bool, lane);
        InTime o;
        o.window.document().apply({SetKnob{"clock", "tempo", 60.0}}, QStringLiteral("slowly")); // 250 ms a step
        const LineRef line = lane ? LineRef{"tracks", true, 1} : LineRef{"tracks", false, 1};
        o.time().editor().choose(line, {});
        o.part<QSpinBox>("record-count-in")->setValue(0);
        const int before = o.undoSteps();
        o.action("record-steps")->trigger();
        QTRY_COMPARE(o.time().recorder().state(), Recorder::State::On);
        // Some steps tell how long one is.
        const LineRef other = lane ? kKick : kLead;
        for (int n = 0; n < 3; ++n) {
            const int now = o.steps().playing(other);
            QTRY_VERIFY_WITH_TIMEOUT(o.steps().playing(other) != now, 20'000);
        }
        const int written = o.undoSteps();
        for (int n = 0; n < 3; ++n) {
            o.window.sound().play({0x90, static_cast<std::uint8_t>(60 + n), 100});
            QTest::qWait(120);
            o.window.sound().play({0x80, static_cast<std::uint8_t>(60 + n), 0});
            QTest::qWait(380);
        }
        o.action("record-steps")->trigger();
        QCOMPARE(o.time().recorder().state(), Recorder::State::Off);
        QCOMPARE(o.time().recorder().notesTaken(), 3);
        const Pattern& pattern = *o.patch().pattern("tracks");
        if (lane) {
            QCOMPARE(std::ranges::count(pattern.lanes[1].hits, Hit::Hit), 3);
        } else {
            std::vector<int> at;
            for (int i = 0; i < 16; ++i)
                if (pattern.tracks[1].steps[static_cast<std::size_t>(i)].kind == Step::Kind::Note) at.push_back(i);
            QCOMPARE(at.size(), 3u);
            for (std::size_t n = 1; n < 3; ++n) { // 500 ms apart: two steps
                const int apart = (at[n] - at[n - 1] + 16) % 16;
                QVERIFY2(apart >= 1 && (apart <= 3 || apart >= 12), qPrintable(QString::number(apart)));
            }
            for (const int i : at) {
                const double gate = pattern.tracks[1].steps[static_cast<std::size_t>(i)].gate;
                QVERIFY2(gate > 0.2 && gate <= 1.0, qPrintable(QString::number(gate)));
            }
        }
        QVERIFY(o.undoSteps() <= std::max(written, before + 1) + 1);
        o.window.document().history().setIndex(written);
        QVERIFY(lane ? std::ranges::count(o.patch().pattern("tracks")->lanes[1].hits, Hit::Hit) == 0
                     : std::ranges::none_of(o.patch().pattern("tracks")->tracks[1].steps,
                                            [](const Step& s) { return s.kind == Step::Kind::Note; }));
    }

    void aTakeEndsWhenItsPatchGoes() {
        InTime o;
        o.time().editor().choose(kLead, {});
        o.part<QSpinBox>("record-count-in")->setValue(0);
        o.action("record-steps")->trigger();
        QTest::qWait(400);
        o.window.sound().play({0x90, 60, 100});
        o.window.openCopy(QStringLiteral(LARIAT_SOURCE "/data/demo/kick.json"));
        QCOMPARE(o.time().recorder().state(), Recorder::State::Off);
        QVERIFY(*o.patch().pattern("tracks") == *demo("kick.json").pattern("tracks"));
        o.window.sound().play({0x80, 60, 0});
        QTest::qWait(100);
        QVERIFY(*o.patch().pattern("tracks") == *demo("kick.json").pattern("tracks"));
    }

    void aLineThatIsMadeShorterWhileItIsRecordedDoesNoHarm() {
        InTime o;
        o.time().editor().choose(kLead, {});
        o.part<QComboBox>("record-how")->setCurrentIndex(1);
        o.part<QSpinBox>("record-count-in")->setValue(0);
        o.action("record-steps")->trigger();
        QTest::qWait(300);
        o.time().editor().setLength(1);
        o.window.sound().play({0x90, 60, 100});
        QTest::qWait(500);
        o.window.sound().play({0x80, 60, 0});
        o.window.document().apply({RemovePost{"tracks"}}, QStringLiteral("gone"));
        QTest::qWait(100);
        QCOMPARE(o.time().recorder().state(), Recorder::State::Off);
    }

    void aDragEndsWhenItsLineGoes() {
        InTime o;
        const QRectF note = o.steps().noteBox(kLead, 0);
        QTest::mousePress(o.view(), Qt::LeftButton, {}, note.center().toPoint());
        o.window.openCopy(QStringLiteral(LARIAT_SOURCE "/data/demo/kick.json"));
        o.move(note.center() + QPointF(0, -30), {});
        QTest::mouseRelease(o.view(), Qt::LeftButton, {}, note.center().toPoint());
        QVERIFY(*o.patch().pattern("tracks") == *demo("kick.json").pattern("tracks"));
    }

    void scenesAreKeptOrderedAndTakenOut() {
        InTime o;
        QVERIFY(!o.time().scenes().isVisible());
        answerInput({QStringLiteral("Quiet, 2 bars")});
        o.action("keep-scene")->trigger();
        QCOMPARE(o.patch().scenes.size(), 1u);
        QCOMPARE(o.patch().scenes[0].name, std::string("Quiet"));
        QCOMPARE(o.patch().scenes[0].bars, 2);
        QVERIFY(o.time().scenes().isVisible());
        QCOMPARE(o.patch().scenes[0].setting.at("clock").at("tempo"), 112.0);
        // A second one holds only what is different, and the first says how that stood.
        o.window.document().apply({SetKnob{"vca-2", "offset", 12.0}}, QStringLiteral("open"));
        o.time().keepScene(QStringLiteral("Open"), 4);
        QCOMPARE(o.patch().scenes[1].setting.size(), 1u);
        QCOMPARE(o.patch().scenes[1].setting.at("vca-2").at("offset"), 12.0);
        QVERIFY(o.patch().scenes[0].setting.at("vca-2").contains("offset"));
        // Dragged, the second comes first.
        SceneStrip& strip = o.time().scenes();
        const QPoint from = strip.sceneBox(1).center().toPoint();
        const QPoint to = strip.sceneBox(0).topLeft().toPoint() + QPoint(4, 6);
        QTest::mousePress(&strip, Qt::LeftButton, {}, from);
        QTest::mouseMove(&strip, (from + to) / 2);
        QTest::mouseMove(&strip, to);
        QTest::mouseRelease(&strip, Qt::LeftButton, {}, to);
        QCOMPARE(o.patch().scenes[0].name, std::string("Open"));
        strip.setFocus();
        QTest::keyClick(&strip, Qt::Key_Right, Qt::ShiftModifier);
        QCOMPARE(o.patch().scenes[0].name, std::string("Quiet"));
        QTest::keyClick(&strip, Qt::Key_Delete);
        QCOMPARE(o.patch().scenes.size(), 1u);
        o.window.document().history().undo();
        QCOMPARE(o.patch().scenes.size(), 2u);
    }

    /// The end of a fader's step, drawn to the right, makes it longer; all behind it moves on.
    void stepsOfFadersAreMadeLonger() {
        InTime o;
        Patch patch = PatchMaker("tower-case").make();
        const auto free = freeParts(patch, workspace().library, workspace().housing(patch), "step-sequencer");
        QVERIFY(!free.empty());
        Post post = postFor(patch, free.front());
        QVERIFY(o.window.document().saveAs(o.folder.filePath(QStringLiteral("own.lariat"))));
        o.window.document().startNew("tower-case");
        QVERIFY(o.window.document().apply({AddPost{post}, SetKnob{post.id, "length", 3}}, QStringLiteral("add")));
        const LineRef line{post.id, false, 0};
        QTRY_VERIFY(!o.steps().stepBox(line, 3).isEmpty());
        const QRectF first = o.steps().stepBox(line, 0);
        const double pulse = first.width();
        const int before = o.undoSteps();
        o.pull({first.right() - 2, first.center().y()}, {first.right() + 2.1 * pulse, first.center().y()});
        QCOMPARE(o.patch().post(post.id)->knobs.at("pulses-1"), 2.0);
        QCOMPARE(o.undoSteps(), before + 1);
        const QRectF longer = o.steps().stepBox(line, 0);
        QVERIFY(std::abs(longer.width() / o.steps().stepBox(line, 1).width() - 3.0) < 0.01);
        QVERIFY(std::abs(o.steps().stepBox(line, 1).left() - longer.right()) < 1.0);
        // Within the step, the same hand sets its volts.
        o.press({longer.center().x(), longer.top() + 12});
        QVERIFY(o.patch().post(post.id)->knobs.at("fader-1") > 50.0);
        QCOMPARE(o.patch().post(post.id)->knobs.at("pulses-1"), 2.0);
    }

    void variationsAreChainedAsScenes() {
        InTime o;
        o.time().editor().choose(kLead, {});
        answerInput({QStringLiteral("A B2 A")});
        o.action("chain-variations")->trigger();
        QCOMPARE(o.patch().scenes.size(), std::size_t{3});
        QCOMPARE(o.patch().scenes[1].bars, 2);
        QVERIFY(o.time().scenes().isVisible());
        answerInput({QStringLiteral("A Q")});
        o.action("chain-variations")->trigger();
        QCOMPARE(o.patch().scenes.size(), std::size_t{3});
        QVERIFY(o.window.messages().text().contains(QLatin1String("\"Q\"")));
        o.window.document().history().undo();
        QVERIFY(o.patch().scenes.empty());
    }

    /// A move is drawn over a free place of a hand's row, then along its time, to another hand, longer, and taken out.
    void movesAreDrawn() {
        InTime o;
        o.time().keepScene(QStringLiteral("First"), 2);
        o.time().keepScene(QStringLiteral("Second"), 4);
        SceneStrip& strip = o.time().scenes();
        const auto draw = [&](QPointF from, QPointF to) {
            QTest::mousePress(&strip, Qt::LeftButton, {}, from.toPoint());
            QTest::mouseMove(&strip, ((from + to) / 2).toPoint());
            QTest::mouseMove(&strip, to.toPoint());
            QTest::mouseRelease(&strip, Qt::LeftButton, {}, to.toPoint());
        };
        const auto moves = [&]() -> const std::vector<Move>& { return o.patch().scenes[1].moves; };
        answerFinder({QStringLiteral("Filter Cutoff")});
        answerInput({QStringLiteral("2 kHz")});
        draw(strip.spot(1, 4, Hand::Left), strip.spot(1, 8, Hand::Left));
        QCOMPARE(moves().size(), std::size_t{1});
        QCOMPARE(moves()[0].start, 4.0);
        QCOMPARE(moves()[0].beats, 4.0);
        QCOMPARE(moves()[0].to, 2000.0);
        QCOMPARE(moves()[0].from, knobValue(*o.patch().post("filter"),
                                            *workspace().library.part(*o.patch().post("filter"))->knob("cutoff")));
        const QRectF box = strip.moveBox(1, 0);
        draw(box.center(),
             box.center() + QPointF(strip.spot(1, 2, Hand::Left).x() - strip.spot(1, 0, Hand::Left).x(), 20));
        QCOMPARE(moves()[0].start, 6.0);
        QCOMPARE(moves()[0].hand, Hand::Right);
        const QRectF moved = strip.moveBox(1, 0);
        draw({moved.right() - 2, moved.center().y()}, strip.spot(1, 14, Hand::Right));
        QCOMPARE(moves()[0].start, 6.0);
        QCOMPARE(moves()[0].beats, 8.0);
        // Beyond the scene it ends with it; a press alone changes nothing.
        const QRectF longer = strip.moveBox(1, 0);
        draw(longer.center(), {strip.width() + 50.0, longer.center().y()});
        QCOMPARE(moves()[0].start + moves()[0].beats, 16.0);
        const int steps = o.undoSteps();
        QTest::mouseClick(&strip, Qt::LeftButton, {}, strip.moveBox(1, 0).center().toPoint());
        QCOMPARE(o.undoSteps(), steps);
        QCOMPARE(strip.chosenMove(), 0);
        strip.setFocus();
        QTest::keyClick(&strip, Qt::Key_Delete);
        QVERIFY(moves().empty());
        QCOMPARE(o.patch().scenes.size(), std::size_t{2}); // the move alone
        // What cannot be a value is refused with what can; another patch in the middle of the question takes no move.
        answerFinder({QStringLiteral("Filter Cutoff")});
        answerInput({QStringLiteral("blue")});
        draw(strip.spot(1, 4, Hand::Foot), strip.spot(1, 6, Hand::Foot));
        QVERIFY(moves().empty());
        QVERIFY(o.window.messages().text().contains(QLatin1String("blue")));
        QTimer::singleShot(0, [&] { o.window.openCopy(QStringLiteral(LARIAT_SOURCE "/data/demo/night-watch.json")); });
        answerFinder({QStringLiteral("Filter Cutoff")});
        draw(strip.spot(1, 4, Hand::Left), strip.spot(1, 8, Hand::Left));
        QVERIFY(o.patch().scenes == demo("night-watch.json").scenes);
    }

    void scenesAreWrittenInWordsAndPlayed() {
        InTime o;
        o.action("write-scenes")->trigger();
        auto* dialog = o.window.findChild<ScenesDialog*>();
        QVERIFY(dialog);
        auto* write = dialog->findChild<QPushButton*>(QStringLiteral("scenes-write"));
        dialog->text().setPlainText(QStringLiteral("Low: 1 bar\n  clock tempo 240 BPM\n  nobody level 3"));
        QVERIFY(!write->isEnabled());
        QVERIFY(dialog->findChild<QLabel*>(QStringLiteral("scenes-said"))->text().contains(QStringLiteral("line 3")));
        // A check that ends meanwhile leaves what was written.
        o.window.document().touch();
        o.settle();
        QVERIFY(dialog->text().toPlainText().contains(QStringLiteral("nobody")));
        dialog->text().setPlainText(
            QStringLiteral("Low: 1 bar\n  clock tempo 240 BPM\nHigh: 1 bar\n  clock tempo 60 BPM\n"));
        QTest::mouseClick(write, Qt::LeftButton);
        QCOMPARE(o.patch().scenes.size(), 2u);
        // Played, the clock runs as the scenes say, whatever its knob says; the patch stays as it is.
        const double tempo = o.patch().post("clock")->knobs.at("tempo");
        const auto beat =
            o.window.sound().engine().watch(jackRef("clock.beat"), {1u << 18, 64}, o.window.document().library());
        QVERIFY(beat);
        o.action("play-scenes")->trigger();
        o.window.sound().rewind();
        // In samples of the engine, however fast this machine is: four beats of 0.25 s, then beats of a second.
        const auto distances = [&] {
            std::vector<double> at;
            for (const Snapshot::At& edge : beat->snapshot(1u << 18).edges)
                if (edge.rising) at.push_back(edge.sample);
            std::vector<double> out;
            for (std::size_t i = 1; i < at.size(); ++i)
                out.push_back((at[i] - at[i - 1]) / o.window.sound().engine().rate());
            return out;
        };
        const auto has = [&](double seconds) {
            return std::ranges::any_of(distances(), [&](double d) { return std::abs(d - seconds) < 0.01; });
        };
        QTRY_VERIFY_WITH_TIMEOUT(has(0.25), 10'000);
        QTRY_VERIFY_WITH_TIMEOUT(has(1.0), 20'000);
        QCOMPARE(o.patch().post("clock")->knobs.at("tempo"), tempo);
        // Another patch has no scenes that play.
        o.window.openCopy(QStringLiteral(LARIAT_SOURCE "/data/demo/kick.json"));
        QVERIFY(!o.window.sound().playsScenes());
        QVERIFY(!o.action("play-scenes")->isChecked());
    }

    void movesAreRecordedAndThinned() {
        InTime o;
        o.action("record-moves")->trigger();
        QVERIFY(o.window.messages().text().contains(QStringLiteral("Keep a scene first")));
        QVERIFY(!o.action("record-moves")->isChecked());
        o.time().keepScene(QStringLiteral("Long"), 64);
        o.window.sound().rewind();
        o.action("record-moves")->trigger();
        QVERIFY(o.time().moves().on() && o.window.sound().playsScenes());
        const KnobInfo& knob = *o.window.document().library().part(*o.patch().post("filter"))->knob("cutoff");
        const double start = knob.scale.toFraction(knobValue(*o.patch().post("filter"), knob));
        for (int n = 1; n <= 20; ++n) {
            QTest::qWait(20);
            o.window.document().turnKnob("filter", "cutoff", knob.scale.toValue(start + 0.01 * n));
        }
        o.action("record-moves")->trigger();
        QVERIFY(!o.time().moves().on());
        const auto& moves = o.patch().scenes[0].moves;
        QVERIFY2(!moves.empty() && moves.size() <= 6,
                 qPrintable(QString::number(moves.size()))); // an even turn is nearly one line
        QCOMPARE(moves.front().knob, std::string("cutoff"));
        QVERIFY(std::abs(knob.scale.toFraction(moves.front().from) - start) < 1e-6);
        QVERIFY(std::abs(knob.scale.toFraction(moves.back().to) - (start + 0.2)) < 1e-6);
        QVERIFY(moves.back().start > moves.front().start - 1e-9);
    }

    void whatIsTurnedEvenlyIsOneLine() {
        std::vector<TurnedPoint> even;
        for (int n = 0; n <= 50; ++n) even.push_back({0.1 * n, 0.01 * n + (n % 2 == 0 ? 0.004 : -0.004)});
        QCOMPARE(thinned(even, 0.015).size(), 2u);
        std::vector<TurnedPoint> corner;
        for (int n = 0; n <= 20; ++n) corner.push_back({0.1 * n, n < 10 ? 0.02 * n : 0.2});
        const auto kept = thinned(corner, 0.005);
        QCOMPARE(kept.size(), 3u);
        QVERIFY(std::abs(kept[1].beat - 1.0) < 1e-9);
        QCOMPARE(thinned({{1.0, 0.5}}, 0.1).size(), 1u);
        QVERIFY(thinned({}, 0.1).empty());
    }

    void stepsStandWhereTheyAreHeard() {
        TimeSection section;
        section.page = 8;
        const auto swung = stepsOnPage(section, Stride{.swing = 0.6}, 3);
        QCOMPARE(swung.size(), 8u);
        QVERIFY(std::abs(swung[1].from - 1.2) < 1e-9 && std::abs(swung[0].to - 1.2) < 1e-9);
        QVERIFY(!swung[2].again && swung[3].again);
        QCOMPARE(swung[3].step, 0);
        const auto triplets = stepsOnPage(section, Stride{.triplets = true}, 3);
        QCOMPARE(triplets.size(), 12u);
        QVERIFY(std::abs(triplets[1].from - 2.0 / 3.0) < 1e-9);
        QCOMPARE(stepsOnPage(section, Stride{.direction = Direction::Backward}, 8).front().step, 7);
        section.first = 8; // the second page of lines that do not meet on it
        QCOMPARE(stepsOnPage(section, {}, 5).front().step, 3);
    }

    void midiGoesOutAndComesBack() {
        InTime o;
        QTemporaryDir folder;
        const QString file = folder.filePath(QStringLiteral("lead.mid"));
        o.time().editor().choose(kLead, {});
        const std::string before = o.words(kLead);
        answerFileDialog(file);
        o.action("steps-to-midi")->trigger();
        QVERIFY(QFile::exists(file));
        o.action("clear-steps")->trigger();
        answerFileDialog(file);
        o.action("steps-from-midi")->trigger();
        // Eight steps come back as a bar of sixteen; the accents are velocities now.
        const Steps& now = o.patch().pattern("tracks")->tracks.front().steps;
        QCOMPARE(now.size(), 16u);
        const Steps then = lamp().pattern("tracks")->tracks.front().steps;
        for (std::size_t i = 0; i < then.size(); ++i) {
            QCOMPARE(now[i].kind, then[i].kind);
            if (then[i].kind == Step::Kind::Note) QCOMPARE(now[i].note, then[i].note);
        }
        o.window.document().history().undo();
        o.window.document().history().undo();
        QCOMPARE(o.words(kLead), before);
        QFile broken(folder.filePath(QStringLiteral("broken.mid")));
        QVERIFY(broken.open(QIODevice::WriteOnly));
        broken.write("MThd\0\0\0\6");
        broken.close();
        answerFileDialog(broken.fileName());
        o.action("steps-from-midi")->trigger();
        QCOMPARE(o.words(kLead), before);
        QVERIFY(!o.window.messages().text().isEmpty());
    }

    void rehearsalShowsTheNextMove() {
        InTime o;
        o.action("rehearse")->trigger();
        QVERIFY(o.window.messages().text().contains(QStringLiteral("no scenes to rehearse")));
        Scene scene{.name = "Swell", .bars = 8};
        scene.moves = {
            {.post = "filter", .knob = "cutoff", .from = 400, .to = 800, .start = 16, .beats = 4, .hand = Hand::Left}};
        o.window.document().apply({SetScenes{{scene}}}, QStringLiteral("a scene"));
        o.window.sound().setRunning(false);
        o.window.sound().rewind();
        o.action("rehearse")->trigger();
        auto* view = o.window.findChild<Rehearsal*>();
        QVERIFY(view);
        QTRY_VERIFY_WITH_TIMEOUT(view->sceneText().startsWith(QStringLiteral("Swell · bar 1 of 8")), 3'000);
        QVERIFY2(view->moveLine().startsWith(QStringLiteral("left: filter cutoff")) ||
                     view->moveLine().startsWith(QStringLiteral("left: Filter cutoff")),
                 qPrintable(view->moveLine()));
        QTRY_VERIFY_WITH_TIMEOUT(view->countText().contains(QStringLiteral("16")), 3'000);
        QVERIFY(!view->grab().toImage().isNull());
        QTest::keyClick(view, Qt::Key_Space);
        QVERIFY(o.window.sound().engine().running());
        QPointer<Rehearsal> gone = view;
        QTest::keyClick(view, Qt::Key_Escape);
        QTRY_VERIFY(gone.isNull());
    }

    void theReckonerGoesOntoAKnob() {
        InTime o;
        o.window.showPlace(QStringLiteral("patch"));
        o.action("reckoner")->trigger();
        auto* reckoner = o.window.findChild<Reckoner*>();
        QVERIFY(reckoner && reckoner->isVisible());
        auto* line = reckoner->findChild<QLineEdit*>(QStringLiteral("reckon"));
        auto* answers = reckoner->findChild<QTreeWidget*>(QStringLiteral("answers"));
        QTest::keyClicks(line, QStringLiteral("120 bpm"));
        QVERIFY(answers->topLevelItemCount() > 5);
        QString sixteenth;
        for (int i = 0; i < answers->topLevelItemCount(); ++i)
            if (answers->topLevelItem(i)->text(0) == QLatin1String("a 16th"))
                sixteenth = answers->topLevelItem(i)->text(1);
        QCOMPARE(sixteenth, QStringLiteral("125 ms"));
        // Dropped on the decay of a contour.
        o.window.selection().choosePost("contour-1");
        Knob* knob = nullptr;
        QTRY_VERIFY((knob = o.place().inspector().findChild<Knob*>(QStringLiteral("knob-decay"))) != nullptr ||
                    (knob = [&]() -> Knob* {
                        for (Knob* one : o.place().inspector().findChildren<Knob*>())
                            if (one->accessibleName() == QLatin1String("Decay")) return one;
                        return nullptr;
                    }()) != nullptr);
        QMimeData data;
        data.setText(sixteenth);
        QDragEnterEvent enter(QPoint(10, 10), Qt::CopyAction, &data, Qt::LeftButton, Qt::NoModifier);
        QApplication::sendEvent(knob, &enter);
        QDropEvent drop(QPointF(10, 10), Qt::CopyAction, &data, Qt::LeftButton, Qt::NoModifier);
        QApplication::sendEvent(knob, &drop);
        QVERIFY(std::abs(o.patch().post("contour-1")->knobs.at("decay") - 0.125) < 1e-6);
        line->clear();
        QTest::keyClicks(line, QStringLiteral("wobble"));
        QCOMPARE(answers->topLevelItemCount(), 0);
    }

    void clocksStandBelow() {
        InTime o;
        QTRY_VERIFY_WITH_TIMEOUT(!o.time().responder().clocks().branches.empty(), 30'000);
        const auto& rows = o.steps().timeLayout().rows;
        QVERIFY(std::ranges::any_of(rows, [](const TimeRow& row) { return row.kind == TimeRow::Kind::Clock; }));
        QVERIFY(!o.steps().grab().toImage().isNull());
    }

    void anEmptyPatchSaysWhatToDo() {
        InTime o;
        o.window.document().startNew();
        QVERIFY(o.steps().timeLayout().rows.empty());
        o.steps().setFocus();
        o.type(QStringLiteral("d-=x!~<"));
        QTest::keyClick(&o.steps(), Qt::Key_PageDown);
        QTest::keyClick(&o.steps(), Qt::Key_Right);
        o.action("record-steps")->trigger();
        QVERIFY(o.window.messages().text().contains(QStringLiteral("Choose a track")));
        for (const char* name : {"copy-steps", "paste-steps", "duplicate-steps", "reverse-steps", "thin-steps",
                                 "clear-steps", "fit-sustain", "pin-jack"})
            o.action(name)->trigger();
        QVERIFY(o.patch().patterns.empty());
    }

    void aSequencerWithoutNotesInvites() {
        InTime o;
        o.window.document().startNew();
        const auto post = Post{"tracks", "Tracks", "tracks", "watch-tracks", "tracks", {}, {}, {}};
        o.window.document().apply({AddPost{post}}, QStringLiteral("a sequencer"));
        const auto& rows = o.steps().timeLayout().rows;
        QVERIFY(std::ranges::any_of(rows, [](const TimeRow& row) { return row.kind == TimeRow::Kind::Track; }));
        o.press(o.steps().noteAt(kLead, 4, 60));
        QCOMPARE(o.patch().pattern("tracks")->tracks.front().steps.size(), 16u);
        QCOMPARE(o.step(4).kind, Step::Kind::Note);
    }
};

QTEST_MAIN(TimeWindowTest)
#include "time_window_test.moc"
