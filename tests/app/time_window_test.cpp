// The Time place as it is used: steps by mouse and keys, variations, words, fits, forecasts, step entry and recording.
#include "app/in_time.h"
#include "building/capacity.h"

#include <QDropEvent>
#include <QMimeData>

using namespace lariat;
using namespace lariat::test;

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
        EVENTUALLY(!tap->samples(1).empty() && std::abs(static_cast<double>(tap->samples(1).back()) - 1.0) < 1e-3);
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
        EVENTUALLY(o.time().responder().settled() && reached() == 14);
        o.window.document().history().undo();
        EVENTUALLY(o.time().responder().settled() && reached() == 0);
    }

    void aFigureMarksTheStepsItSpeaksOf() {
        InTime o;
        EVENTUALLY(!o.steps().factBox("contour-1", 0).isNull());
        o.press(o.steps().factBox("contour-1", 0).center());
        QCOMPARE(o.steps().marked(), (std::set<int>{0, 1, 2, 4, 5, 6, 7}));
        o.steps().setFocus();
        QTest::keyClick(&o.steps(), Qt::Key_Escape);
        QVERIFY(o.steps().marked().empty());
    }

    /// What a quantizer makes of the lead: its row, its figures, and the way to it; gone with its cable.
    void aQuantizedTrackIsShown() {
        InTime o;
        QVERIFY(o.window.document().apply(
            {AddPost{{"quantizer", "Quantizer", "loose", "compass-quantizer", "quantizer", {}, {}, {}}},
             TieCable{{0, {"tracks", "pitch-1"}, {"quantizer", "in-1"}, "", "", "", 0, "", {}}},
             SetKnob{"quantizer", "scale", 0}, SetKnob{"quantizer", "note-0", 1}, SetKnob{"quantizer", "note-2", 0},
             SetKnob{"quantizer", "note-5", 0}},
            QStringLiteral("quantize")));
        const auto tunes = [&] {
            const Responses* known = o.time().responder().of("tracks");
            return known ? known->tunes : std::vector<TuneResponse>{};
        };
        EVENTUALLY(o.time().responder().settled() && tunes().size() == 1);
        std::set<int> moved;
        const TuneResponse heard = tunes()[0];
        for (const TunedNote& note : heard.notes) {
            const int n = o.step(note.step).note % 12; // D and F have no place in it
            QCOMPARE(std::abs(note.moved()) > 1.0, n == 2 || n == 5);
            if (n == 2 || n == 5) moved.insert(note.step);
        }
        QVERIFY(!moved.empty());
        EVENTUALLY(!o.steps().factBox("quantizer", 0).isNull());
        const QPointF fact = o.steps().factBox("quantizer", 0).center();
        o.press(fact);
        QCOMPARE(o.steps().marked(), moved);
        o.press({40.0, fact.y() - 32.0}); // the name above its figures
        QCOMPARE(o.window.selection().post(), std::string("quantizer"));
        o.window.document().history().undo();
        EVENTUALLY(o.time().responder().settled() && tunes().empty());
        o.view()->grab(); // and is painted without it
    }

    void fitToStepTurnsTheKnob() {
        InTime o;
        o.time().editor().choose(kLead, {});
        EVENTUALLY(o.part<QComboBox>("fit-contour")->count() > 0);
        const double before = o.patch().post("contour-1")->knobs.at("decay");
        QTest::mouseClick(o.part<QPushButton>("fit-sustain"), Qt::LeftButton);
        EVENTUALLY(o.patch().post("contour-1")->knobs.at("decay") != before);
        EVENTUALLY(o.time().responder().settled());
        const Responses& now = *o.time().responder().of("tracks");
        QCOMPARE(std::ranges::find(now.contours, "contour-1", &ContourResponse::post)->notHeld(), 0);
        QVERIFY(o.window.messages().text().contains(QStringLiteral("done")));
        o.window.document().history().undo();
        QCOMPARE(o.patch().post("contour-1")->knobs.at("decay"), before);
    }

    void theForecastSaysWhichTempo() {
        InTime o;
        EVENTUALLY(o.time().responder().foretold());
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
        EVENTUALLY_EQUAL(o.time().recorder().state(), Recorder::State::On);
        // Some steps tell how long one is.
        const LineRef other = lane ? kKick : kLead;
        for (int n = 0; n < 3; ++n) {
            const int now = o.steps().playing(other);
            EVENTUALLY(o.steps().playing(other) != now);
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
        EVENTUALLY(!o.steps().stepBox(line, 3).isEmpty());
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
        EVENTUALLY((knob = o.place().inspector().findChild<Knob*>(QStringLiteral("knob-decay"))) != nullptr ||
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
        EVENTUALLY(!o.time().responder().clocks().branches.empty());
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
