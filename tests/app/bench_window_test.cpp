// The Bench by mouse and keys: questions asked of jacks and recordings, while everything else goes on.
#include "app/opened.h"
#include "ask/as_recorded.h"
#include "bench/bench_place.h"
#include "devices/simulated_device.h"
#include "model/audio_file.h"
#include "shell/finder.h"
#include "widgets/blind_dialog.h"

#include <QMenu>

#include <cmath>
#include <fstream>

using namespace lariat;
using namespace lariat::test;

namespace {

BenchPlace& benchOf(Opened& o) {
    return *dynamic_cast<BenchPlace*>(o.window.place(QStringLiteral("bench")));
}

void go(Opened& o) {
    QTest::keyClick(&o.window, Qt::Key_5, Qt::ControlModifier);
    QVERIFY(benchOf(o).isVisible());
}

/// Waits until the question is answered.
void answered(Opened& o) {
    EVENTUALLY(benchOf(o).settled());
    QCoreApplication::processEvents();
}

double figure(Opened& o, const char* id) {
    if (!benchOf(o).answer()) return -1e9;
    const AskedFigure* one = benchOf(o).answer()->figure(id);
    return one && one->value ? *one->value : -1e9;
}

QString verdict(Opened& o) {
    return benchOf(o).findChild<QLabel*>(QStringLiteral("verdict"))->text();
}

template <class Widget> Widget& named(Opened& o, const char* name) {
    return *benchOf(o).findChild<Widget*>(QString::fromLatin1(name));
}

void press(Opened& o, const char* name) {
    QTest::mouseClick(&named<QPushButton>(o, name), Qt::LeftButton);
}

/// A tone of 200 Hz with one channel.
QString tone(const QTemporaryDir& folder, const char* name, double hertz = 200.0, double rate = 48000.0) {
    const QString file = folder.filePath(QString::fromLatin1(name));
    std::vector<float> volts;
    for (int i = 0; i < static_cast<int>(2.0 * rate); ++i)
        volts.push_back(0.4f * static_cast<float>(std::sin(2.0 * 3.14159265358979 * hertz * i / rate)));
    if (!writeWav(file.toStdString(), volts, 1, rate)) qFatal("no file");
    return file;
}

} // namespace

class BenchWindowTest : public QObject {
    Q_OBJECT

    QTemporaryDir settings_;

  private Q_SLOTS:
    void initTestCase() { prepareApplication(settings_); }

    /// F4 on a row of the chart leads here, with the question that fits and the jack that feeds it.
    void aRowIsAskedAbout() {
        Opened o;
        const auto& cables = o.patch().cables;
        const auto drum = std::ranges::find_if(cables, [](const Cable& c) { return c.from.text() == "vca-2.out"; });
        o.window.selection().chooseCable(drum->id);
        QTest::keyClick(&o.window, Qt::Key_F4);
        QVERIFY(benchOf(o).isVisible());
        answered(o);
        QCOMPARE(benchOf(o).asked().jacks(), (std::vector<JackRef>{{"vca-2", "out"}}));
        QVERIFY2(benchOf(o).asked().question() == Question::Same, qPrintable(verdict(o)));
        QVERIFY2(figure(o, "hits") >= 16.0, qPrintable(verdict(o)));
        QVERIFY(std::abs(figure(o, "tail-hertz") - 36.7) < 0.2);
        QVERIFY(benchOf(o).figures().topLevelItemCount() > 6);
        // And back again.
        QTest::keyClick(&o.window, Qt::Key_Left, Qt::AltModifier);
        QVERIFY(o.place().isVisible());
        QCOMPARE(o.window.selection().cable(), drum->id);
    }

    /// Every question by its key; the answer is that of the command line.
    void questionsAreChosenByKeys() {
        Opened o;
        go(o);
        benchOf(o).asked().addJack({"osc-b", "pulse"});
        const Qt::Key keys[] = {Qt::Key_1, Qt::Key_2, Qt::Key_3, Qt::Key_4, Qt::Key_5, Qt::Key_6, Qt::Key_7, Qt::Key_8};
        for (int n = 0; n < kQuestionCount; ++n) {
            QTest::keyClick(&o.window, keys[n], Qt::AltModifier);
            QCOMPARE(static_cast<int>(benchOf(o).asked().question()), n);
            answered(o);
            QVERIFY2(!verdict(o).isEmpty(), questionId(static_cast<Question>(n)));
        }
        QTest::keyClick(&o.window, Qt::Key_2, Qt::AltModifier);
        answered(o);
        Asking asking;
        asking.question = Question::Note;
        asking.jacks = {{"osc-b", "pulse"}};
        asking.options.key = parseKey(o.patch().key);
        const auto alone = answerTo(asking, &o.patch(), workspace().library);
        QCOMPARE(verdict(o), QString::fromStdString(alone->verdict.str()));
        // In a text field, the keys are its own.
        QTest::keyClick(&o.window, Qt::Key_3, Qt::ControlModifier);
        auto* tie = o.window.findChild<QLineEdit*>(QStringLiteral("tie-line"));
        if (tie) {
            tie->setFocus();
            QTest::keyClicks(tie, QStringLiteral("12345"));
            QCOMPARE(tie->text(), QStringLiteral("12345"));
        }
    }

    /// Jacks are added by name, taken out with Delete; what is asked of is asked anew.
    void jacksAreAddedAndTakenOut() {
        Opened o;
        go(o);
        answerFinder({QStringLiteral("kick osc sine")});
        press(o, "bench-add-jack");
        answered(o);
        QCOMPARE(benchOf(o).asked().jacks(), (std::vector<JackRef>{{"osc-c", "sine"}}));
        answerFinder({QStringLiteral("follower pwm")});
        press(o, "bench-add-jack");
        QCOMPARE(benchOf(o).asked().jacks().size(), std::size_t{2});
        answered(o);
        QCOMPARE(benchOf(o).answer()->tracks.size(), std::size_t{2}); // an input that nothing feeds is asked as well
        QListWidget& list = benchOf(o).asked().askedOf();
        list.setFocus();
        list.setCurrentRow(0);
        QTest::keyClick(&list, Qt::Key_Delete);
        QCOMPARE(benchOf(o).asked().jacks(), (std::vector<JackRef>{{"osc-a", "pwm"}}));
        answered(o);
        QVERIFY2(verdict(o).contains(QStringLiteral("stands still")), qPrintable(verdict(o)));
        // Eight and no more.
        for (const char* jack :
             {"osc-a.saw", "osc-a.pulse", "osc-b.saw", "osc-b.pulse", "filter.low", "vca-1.out", "vca-2.out"})
            benchOf(o).asked().addJack(jackRef(jack));
        QVERIFY(!benchOf(o).asked().addJack({"mixer", "mix"}));
        QVERIFY(!named<QPushButton>(o, "bench-add-jack").isEnabled());
        answered(o);
        QCOMPARE(benchOf(o).answer()->plots.front().curves.size(), std::size_t{8});
    }

    /// A knob is turned, a post goes, another document is opened: what is asked follows, and never of what is gone.
    void whatIsAskedFollowsThePatch() {
        Opened o;
        go(o);
        benchOf(o).asked().choose(Question::Shape);
        benchOf(o).asked().addJack({"lfo", "triangle"});
        answered(o);
        const double before = figure(o, "hertz");
        QVERIFY2(before > 0.0, qPrintable(verdict(o)));
        QVERIFY(o.window.document().apply({SetKnob{"lfo", "rate", 3.0}}, QStringLiteral("faster")));
        answered(o);
        QVERIFY2(std::abs(figure(o, "hertz") - 3.0) < 0.02, qPrintable(verdict(o)));
        // It stays until the next one is there.
        QVERIFY(o.window.document().apply({SetKnob{"lfo", "rate", 5.0}}, QStringLiteral("faster")));
        QVERIFY(benchOf(o).answer().has_value());
        answered(o);
        QVERIFY(std::abs(figure(o, "hertz") - 5.0) < 0.03);
        QVERIFY(o.window.document().apply({RemovePost{"lfo"}}, QStringLiteral("out")));
        QVERIFY(benchOf(o).asked().jacks().empty());
        answered(o);
        o.window.document().history().undo();
        answered(o);
        benchOf(o).asked().addJack({"osc-c", "sine"});
        o.window.openCopy(QStringLiteral(LARIAT_SOURCE "/data/demo/kick.json"));
        QVERIFY(benchOf(o).asked().jacks().empty());
        answered(o);
        QVERIFY(!verdict(o).contains(QStringLiteral("osc-c")));
    }

    /// The running patch: traces move, figures follow the knob while it plays; held, they stand still.
    void theRunningPatchIsAsked() {
        Opened o;
        go(o);
        o.window.sound().setRunning(true);
        benchOf(o).asked().choose(Question::Shape);
        benchOf(o).asked().addJack({"osc-c", "sine"});
        answered(o);
        auto& from = named<QComboBox>(o, "bench-from");
        from.setCurrentIndex(1);
        EVENTUALLY(benchOf(o).answer() && benchOf(o).answer()->tracks.size() == 1 && figure(o, "hertz") > 0.0);
        const double before = figure(o, "hertz");
        QVERIFY(o.window.document().apply({SetKnob{"osc-c", "fine", 7.0}}, QStringLiteral("up")));
        EVENTUALLY(figure(o, "hertz") > 1.2 * before);
        named<QCheckBox>(o, "bench-hold").setChecked(true);
        const auto curves = benchOf(o).plots().plots().front().curves;
        for (int n = 0; n < 10; ++n) QTest::qWait(20);
        const auto sum = [](const PlotCurve& curve) {
            double all = 0.0;
            for (const MinMax& column : curve.columns) all += static_cast<double>(column.min) + 3.0 * column.max;
            return all;
        };
        QCOMPARE(sum(benchOf(o).plots().plots().front().curves.front()), sum(curves.front())); // it stands still
        named<QCheckBox>(o, "bench-hold").setChecked(false);
        // The device goes: the simulated one takes its place, and what is watched goes on.
        auto device = std::make_unique<SimulatedDevice>(AudioSettings{});
        SimulatedDevice& pulled = *device;
        o.window.sound().openDevice(std::move(device));
        pulled.pull();
        EVENTUALLY(o.window.messages().text().contains(QStringLiteral("gone away")));
        o.window.document().history().undo();
        EVENTUALLY(std::abs(figure(o, "hertz") / before - 1.0) < 0.01);
        // A jack that vanishes while it is watched.
        QVERIFY(o.window.document().apply({RemovePost{"osc-c"}}, QStringLiteral("out")));
        QVERIFY(benchOf(o).asked().jacks().empty());
        for (int n = 0; n < 10; ++n) QTest::qWait(20);
        // The silent questions go on without it.
        QTest::keyClick(&o.window, Qt::Key_4, Qt::AltModifier);
        answered(o);
        QVERIFY2(verdict(o).contains(QStringLiteral("dB")), qPrintable(verdict(o)));
        QTest::keyClick(&o.window, Qt::Key_3, Qt::ControlModifier); // nothing is watched any more
        QVERIFY(!benchOf(o).isVisible());
    }

    /// The step that was chosen in Time is one that a picture can begin with.
    void aChosenStepIsATrigger() {
        Opened o;
        o.window.selection().chooseSteps({"tracks", false, 0}, {4});
        go(o);
        benchOf(o).asked().choose(Question::Shape);
        benchOf(o).asked().addJack({"tracks", "pitch-1"});
        answered(o);
        auto& trigger = named<QComboBox>(o, "bench-trigger");
        const int at = trigger.findText(QStringLiteral("step 5 of Tracks"));
        QVERIFY(at >= 0);
        trigger.setCurrentIndex(at);
        answered(o);
        QVERIFY2(benchOf(o).answer() && benchOf(o).answer()->tracks.back() == "Tracks 5", qPrintable(verdict(o)));
        named<QComboBox>(o, "bench-from").setCurrentIndex(1); // of the running patch nobody knows when it comes
        QVERIFY(trigger.findText(QStringLiteral("step 5 of Tracks")) < 0);
        named<QComboBox>(o, "bench-from").setCurrentIndex(0);
        // Its sequencer goes.
        QVERIFY(o.window.document().apply({RemovePost{"tracks"}}, QStringLiteral("out")));
        QVERIFY(trigger.findText(QStringLiteral("step 5 of Tracks")) < 0);
        answered(o);
    }

    /// Two cursors are drawn with the mouse, and moved with the keys.
    void cursorsMeasure() {
        Opened o;
        go(o);
        benchOf(o).asked().choose(Question::Shape);
        benchOf(o).asked().addJack({"osc-c", "sine"});
        answered(o);
        PlotsView& plots = benchOf(o).plots();
        const QRectF inner = plots.rectOf(0);
        const Plot plot = plots.plots().front();
        const auto at = [&](double part) {
            return QPoint(static_cast<int>(inner.left() + part * inner.width()), static_cast<int>(inner.center().y()));
        };
        QTest::mousePress(&plots, Qt::LeftButton, {}, at(0.25));
        QTest::mouseMove(&plots, at(0.4));
        QTest::mouseMove(&plots, at(0.5));
        QTest::mouseRelease(&plots, Qt::LeftButton, {}, at(0.5));
        const QString text = named<QLabel>(o, "cursors").text();
        QVERIFY2(text.contains(QStringLiteral("Δ")) && text.contains(QStringLiteral("Hz")) &&
                     text.contains(QStringLiteral("°")),
                 qPrintable(text));
        const double milliseconds = text.section(QLatin1Char(' '), 1, 1).toDouble();
        QVERIFY2(std::abs(milliseconds / (0.25 * (plot.x.high - plot.x.low)) - 1.0) < 0.03, qPrintable(text));
        QTest::keyClick(&plots, Qt::Key_Right, Qt::ShiftModifier);
        QVERIFY(named<QLabel>(o, "cursors").text() != text);
        QTest::keyClick(&plots, Qt::Key_Escape);
        QVERIFY(named<QLabel>(o, "cursors").text().isEmpty());
    }

    /// Recordings: added, refused, dropped; asked of beside a jack.
    void recordingsAreAsked() {
        const QTemporaryDir folder;
        Opened o;
        go(o);
        const QString file = tone(folder, "tone.wav");
        benchOf(o).asked().choose(Question::Note);
        answerFileDialog(file);
        press(o, "bench-add-recording");
        EVENTUALLY(benchOf(o).asked().asking().recordings.size() == 1);
        answered(o);
        QVERIFY2(std::abs(figure(o, "pitch-hertz") - 200.0) < 0.05, qPrintable(verdict(o)));
        o.window.activateWindow();
        QVERIFY(QTest::qWaitForWindowActive(&o.window));
        QTest::keyClick(&o.window, Qt::Key_6, Qt::AltModifier);
        QCOMPARE(benchOf(o).asked().question(), Question::Relate);
        benchOf(o).addRecordingFile(tone(folder, "fifth.wav", 300.0, 44100.0));
        EVENTUALLY(benchOf(o).asked().asking().recordings.size() == 2);
        answered(o);
        QVERIFY2(verdict(o).contains(QStringLiteral("fifth")), qPrintable(verdict(o)));
        std::ofstream(folder.filePath(QStringLiteral("lies.wav")).toStdString()) << "RIFF, or so it says";
        benchOf(o).addRecordingFile(folder.filePath(QStringLiteral("lies.wav")));
        auto* strip = o.window.findChild<QLabel*>(QStringLiteral("message"));
        EVENTUALLY(o.window.jobs().all().empty());
        if (strip) QVERIFY(strip->text().contains(QStringLiteral("lies.wav")));
        QCOMPARE(benchOf(o).asked().asking().recordings.size(), std::size_t{2});
    }

    /// Of a stereo recording one side, both, from later on, at another full scale; while it is read anew it may go.
    void aRecordingIsReadOtherwise() {
        const QTemporaryDir folder;
        const QString file = folder.filePath(QStringLiteral("two.wav"));
        std::vector<float> two;
        for (int i = 0; i < 96000; ++i) {
            two.push_back(0.4f * static_cast<float>(std::sin(2.0 * 3.14159265358979 * 200.0 * i / 48000.0)));
            two.push_back(0.2f * static_cast<float>(std::sin(2.0 * 3.14159265358979 * 300.0 * i / 48000.0)));
        }
        QVERIFY(writeWav(file.toStdString(), two, 2, 48000.0).has_value());
        Opened o;
        go(o);
        QVERIFY(!named<QComboBox>(o, "bench-channel").isVisible()); // nothing is there that it could be of
        benchOf(o).asked().choose(Question::Note);
        benchOf(o).addRecordingFile(file);
        EVENTUALLY(benchOf(o).asked().recordings().size() == 1);
        answered(o);
        QVERIFY(named<QComboBox>(o, "bench-channel").isVisible());
        QVERIFY(std::abs(figure(o, "pitch-hertz") - 200.0) < 0.05);
        const auto again = [&] {
            EVENTUALLY(o.window.jobs().all().empty());
            answered(o);
        };
        named<QComboBox>(o, "bench-channel").setFocus();
        QTest::keyClick(&named<QComboBox>(o, "bench-channel"), Qt::Key_Down);
        again();
        QVERIFY2(std::abs(figure(o, "pitch-hertz") - 300.0) < 0.05, qPrintable(verdict(o)));
        benchOf(o).asked().choose(Question::Content);
        again();
        QVERIFY2(std::abs(figure(o, "rms-volts") - std::sqrt(2.0)) < 0.02, qPrintable(verdict(o)));
        named<QComboBox>(o, "bench-recorded-volts").setCurrentIndex(3); // a probe
        again();
        QVERIFY(std::abs(figure(o, "rms-volts") - 0.1 * std::sqrt(2.0)) < 0.002);
        // Turned twice in a hurry: what was wanted last is what is read.
        QTest::keyClick(&named<QComboBox>(o, "bench-channel"), Qt::Key_Up);
        QTest::keyClick(&named<QComboBox>(o, "bench-channel"), Qt::Key_End);
        named<QComboBox>(o, "bench-recorded-volts").setCurrentIndex(0);
        again();
        QCOMPARE(benchOf(o).asked().recordings().front().how.channel, kAllChannels);
        QVERIFY2(std::abs(figure(o, "rms-volts") - std::hypot(2.0, 1.0) / std::sqrt(2.0)) < 0.02,
                 qPrintable(verdict(o)));
        // From behind its end: it stays as it was, and the field says so.
        named<QDoubleSpinBox>(o, "bench-recorded-from").setValue(100.0);
        again();
        QCOMPARE(benchOf(o).asked().recordings().size(), std::size_t{1});
        QCOMPARE(named<QDoubleSpinBox>(o, "bench-recorded-from").value(), 0.0);
        QVERIFY(o.window.messages().text().contains(QStringLiteral("two.wav")));
        named<QComboBox>(o, "bench-channel").setCurrentIndex(0);
        benchOf(o).asked().takeOut(0);
        again();
        QVERIFY(benchOf(o).asked().recordings().empty());
    }

    /// What comes in at the device is recorded, and asked of; a device that goes leaves what came in until then.
    void whatComesInIsRecorded() {
        const QTemporaryDir folder;
        Opened o;
        go(o);
        benchOf(o).asked().choose(Question::Note);
        QVERIFY(!named<QPushButton>(o, "bench-record-in").isVisible()); // nothing comes in
        o.window.sound().recordIn(folder.filePath(QStringLiteral("none.wav")));
        QVERIFY(o.window.messages().text().contains(QStringLiteral("Nothing comes in")));
        o.window.sound().setSimulatedIn(tone(folder, "outside.wav", 250.0, 44100.0));
        answerFileDialog(folder.filePath(QStringLiteral("real"))); // the ending is ours
        press(o, "bench-record-in");
        QVERIFY(o.window.sound().recordingIn());
        EVENTUALLY(o.window.sound().recordedInSeconds() > 1.0);
        EVENTUALLY(named<QPushButton>(o, "bench-record-in").text().contains(QStringLiteral("came in")));
        press(o, "bench-record-in");
        EVENTUALLY(benchOf(o).asked().recordings().size() == 1);
        answered(o);
        QVERIFY2(std::abs(figure(o, "pitch-hertz") - 250.0) < 0.05, qPrintable(verdict(o)));
        QVERIFY(QFileInfo::exists(folder.filePath(QStringLiteral("real.wav"))));
        // The cable to the interface is pulled.
        AudioSettings settings;
        settings.device = kSimulatedDevice;
        settings.comesIn = {0.25f, 0.25f};
        auto device = std::make_unique<SimulatedDevice>(settings);
        SimulatedDevice& pulled = *device;
        o.window.sound().openDevice(std::move(device));
        const QString kept = folder.filePath(QStringLiteral("kept.wav"));
        o.window.sound().recordIn(kept);
        EVENTUALLY(o.window.sound().recordedInSeconds() > 0.2);
        pulled.pull();
        EVENTUALLY(!o.window.sound().recordingIn());
        QVERIFY(o.window.messages().text().contains(QStringLiteral("kept.wav")));
        EVENTUALLY(benchOf(o).asked().recordings().size() == 2);
        QVERIFY(readAudio(kept.toStdString())->samples.size() > 10000);
        // Another document keeps recording; a closed window ends it.
        o.window.sound().recordIn(folder.filePath(QStringLiteral("last.wav")));
        QVERIFY(o.window.document().open(QStringLiteral(LARIAT_SOURCE "/data/demo/kick.json")));
        QVERIFY(o.window.sound().recordingIn());
    }

    /// The first against the second of two recordings, in turns and blind, instead of the patch.
    void recordingsAreHeardInTurns() {
        const QTemporaryDir folder;
        Opened o;
        go(o);
        QTest::keyClick(&o.window, Qt::Key_7, Qt::AltModifier);
        benchOf(o).addRecordingFile(tone(folder, "one.wav", 200.0));
        EVENTUALLY(benchOf(o).asked().recordings().size() == 1);
        QVERIFY(!named<QPushButton>(o, "bench-turns").isEnabled()); // one alone
        benchOf(o).addRecordingFile(tone(folder, "two.wav", 300.0, 44100.0));
        EVENTUALLY(benchOf(o).asked().recordings().size() == 2);
        answered(o);
        QVERIFY2(verdict(o).contains(QStringLiteral("two.wav against one.wav")), qPrintable(verdict(o)));
        press(o, "bench-turns");
        Engine& engine = o.window.sound().engine();
        QVERIFY(engine.playback());
        QCOMPARE(benchOf(o).turns().playing(), std::optional<std::size_t>(0));
        EVENTUALLY(benchOf(o).turns().playing() == std::optional<std::size_t>(1));
        EVENTUALLY(named<QPushButton>(o, "bench-turns").text() == QStringLiteral("Heard: the other"));
        QVERIFY(!o.window.document().auditions()); // the patch is left alone
        QVERIFY(o.window.document().apply({SetTitle{"meanwhile"}}, QStringLiteral("an edit"))); // and may be edited
        QVERIFY(engine.playback());
        QTest::keyClick(&o.window, Qt::Key_1, Qt::ControlModifier); // leaving ends it
        QVERIFY(!engine.playback());
        go(o);
        answered(o);
        QTimer::singleShot(0, [&engine] {
            auto* dialog = qobject_cast<BlindDialog*>(QApplication::activeModalWidget());
            QVERIFY(dialog);
            QTest::keyClick(dialog, Qt::Key_1);
            EVENTUALLY(engine.playback());
            dialog->reject();
        });
        press(o, "bench-blind");
        QVERIFY(!engine.playback());
        // Another question ends it, and so does taking out what is heard: nothing plays on that no button stops.
        o.window.activateWindow(); // after the dialog
        QVERIFY(QTest::qWaitForWindowActive(&o.window));
        press(o, "bench-turns");
        QVERIFY(engine.playback());
        QTest::keyClick(&o.window, Qt::Key_1, Qt::AltModifier);
        QVERIFY(!engine.playback());
        QTest::keyClick(&o.window, Qt::Key_7, Qt::AltModifier);
        answered(o);
        press(o, "bench-turns");
        QVERIFY(engine.playback());
        benchOf(o).asked().takeOut(1);
        QVERIFY(!engine.playback());
        QVERIFY(!named<QPushButton>(o, "bench-turns").isEnabled());
    }

    /// What the answer offers is one step of the history; the sheet and files take what was answered.
    void anAnswerLeadsOn() {
        const QTemporaryDir folder;
        Opened o;
        QVERIFY(o.window.document().apply({SetKnob{"mixer", "level-1", 100.0}, SetKnob{"mixer", "level-2", 100.0},
                                           SetKnob{"filter", "resonance", 80.0}},
                                          QStringLiteral("hot")));
        o.window.selection().choosePost("osc-a");
        go(o);
        benchOf(o).asked().choose(Question::Loud);
        benchOf(o).asked().addJack({"osc-a", "saw"});
        answered(o);
        QVERIFY2(benchOf(o).answer()->plots.size() >= 2, qPrintable(verdict(o))); // the ladder, and what comes together
        if (!benchOf(o).answer()->offers.empty()) {
            const int steps = o.window.document().history().count();
            const double peak = figure(o, "out-volts");
            press(o, "bench-offer");
            QCOMPARE(o.window.document().history().count(), steps + 1);
            answered(o);
            QVERIFY(figure(o, "out-volts") < peak);
        }
        // Onto the sheet, off it, and on again: the sheet asks it too.
        press(o, "bench-sheet");
        QCOMPARE(o.patch().asked.size(), std::size_t{1});
        QCOMPARE(o.patch().asked.front().question, std::string("loud"));
        QCOMPARE(o.patch().asked.front().of, (std::vector<JackRef>{{"osc-a", "saw"}}));
        QVERIFY(named<QPushButton>(o, "bench-sheet").isChecked());
        benchOf(o).asked().choose(Question::Note); // another question is not on it
        QVERIFY(!named<QPushButton>(o, "bench-sheet").isChecked());
        benchOf(o).asked().choose(Question::Loud);
        press(o, "bench-sheet");
        QVERIFY(o.patch().asked.empty());
        o.window.document().history().undo();
        QVERIFY(named<QPushButton>(o, "bench-sheet").isChecked());
        answered(o);
        const QString said = verdict(o);
        auto& checker = const_cast<Checker&>(o.window.session().checker);
        checker.askForSheet();
        EVENTUALLY(checker.sheetIsReady());
        QCOMPARE(checker.sheet().answers.size(), std::size_t{1});
        QCOMPARE(QString::fromStdString(checker.sheet().answers.front().sentence), said);
        QVERIFY(checker.sheet().answers.front().answer);
        // A recording does not travel with the patch, and cannot stand on its sheet.
        benchOf(o).addRecordingFile(tone(folder, "tone.wav"));
        EVENTUALLY(benchOf(o).asked().recordings().size() == 1);
        QVERIFY(!named<QPushButton>(o, "bench-sheet").isEnabled());
        benchOf(o).asked().takeOut(1);
        answered(o);
        const QString picture = folder.filePath(QStringLiteral("ladder.svg"));
        const QString table = folder.filePath(QStringLiteral("ladder.csv"));
        answerFileDialog(picture);
        press(o, "bench-picture");
        answerFileDialog(table);
        press(o, "bench-figures");
        QVERIFY(QFile(picture).size() > 2000);
        QFile csv(table);
        QVERIFY(csv.open(QIODevice::ReadOnly));
        const QByteArray text = csv.readAll();
        QVERIFY(text.startsWith("figure,value,unit,text,of\n") && text.contains("out-dbfs,"));
        benchOf(o).writePicture(folder.filePath(QStringLiteral("no/such/folder.png"))); // is refused with a word
        // Pinned in Time.
        press(o, "bench-pin");
        QVERIFY(o.window.place(QStringLiteral("time"))->isVisible());
    }

    /// Which is better: against a setting, heard in turns, and blind.
    void twoAreHeldAgainstEachOther() {
        Opened o;
        Patch patch = o.patch();
        patch.settings["A"] = {{"filter", {{"cutoff", 400.0}}}};
        QVERIFY(o.window.document().become(std::move(patch), QStringLiteral("put aside")));
        go(o);
        QTest::keyClick(&o.window, Qt::Key_7, Qt::AltModifier);
        answered(o);
        QVERIFY2(benchOf(o).answer().has_value(), qPrintable(verdict(o)));
        QCOMPARE(benchOf(o).answer()->tracks.size(), std::size_t{2});
        QVERIFY(figure(o, "brightness-2") < figure(o, "brightness-1"));
        // Both of a figure stand in one row.
        const auto rows = benchOf(o).figures().findItems(QStringLiteral("brightness"), Qt::MatchExactly, 0);
        QCOMPARE(rows.size(), 1);
        QVERIFY(!rows.front()->text(1).isEmpty() && !rows.front()->text(2).isEmpty());
        QVERIFY(rows.front()->text(1) != rows.front()->text(2));
        press(o, "bench-turns");
        QVERIFY(benchOf(o).turns().playing().has_value());
        press(o, "bench-turns");
        QVERIFY(!benchOf(o).turns().playing().has_value());
        QTimer::singleShot(0, [] {
            if (auto* dialog = qobject_cast<BlindDialog*>(QApplication::activeModalWidget())) dialog->reject();
        });
        press(o, "bench-blind");
        QVERIFY(!o.window.document().auditions());
        // A patch that cannot be read is refused, and nothing changes.
        benchOf(o).holdAgainstFile(QStringLiteral("/no/such/patch.json"));
        QVERIFY(benchOf(o).answer().has_value());
    }

    /// A recording of a case with another decay: what differs is said, the knob is found, and taken into the patch.
    void theRealOneIsHeldAgainstIt() {
        const QTemporaryDir folder;
        Opened o;
        Patch kick = demo("kick.json");
        for (Post& post : kick.posts)
            if (post.id == "mixer") post.knobs["level-2"] = post.knobs["level-3"] = 0.0;
        kick = applyEdit(kick, SetUnknown{"level-a", "decay", Unknown{0.15, 1.2}}).value();
        AsRecordedOptions options;
        options.seconds = 3.0;
        const auto recorded = renderAsRecorded(kick, workspace().library, 11, options);
        const QString file = folder.filePath(QStringLiteral("real.wav"));
        QVERIFY(writeWav(file.toStdString(), recorded->mix, 2, recorded->rate).has_value());
        QVERIFY(o.window.document().become(kick, QStringLiteral("kick")));
        go(o);
        QTest::keyClick(&o.window, Qt::Key_8, Qt::AltModifier);
        answered(o);
        QVERIFY(verdict(o).contains(QStringLiteral("recording")));
        benchOf(o).addRecordingFile(file);
        EVENTUALLY(benchOf(o).asked().asking().recordings.size() == 1);
        answered(o);
        QVERIFY2(benchOf(o).answer().has_value(), qPrintable(verdict(o)));
        QVERIFY2(std::abs(figure(o, "offset-seconds") - recorded->truth.start) < 0.01,
                 qPrintable(QStringLiteral("%1 for %2").arg(figure(o, "offset-seconds")).arg(recorded->truth.start)));
        QCOMPARE(named<QListWidget>(o, "bench-knobs").item(0)->checkState(), Qt::Checked); // what nobody knows
        press(o, "bench-fit");
        // The page is left meanwhile, and another knob turned: it goes on with what it was given.
        QTest::keyClick(&o.window, Qt::Key_3, Qt::ControlModifier);
        answered(o);
        go(o);
        EVENTUALLY(benchOf(o).settled());
        QVERIFY2(benchOf(o).answer() && !benchOf(o).answer()->offers.empty(), qPrintable(verdict(o)));
        QVERIFY2(figure(o, "after-decibels") < 4.0, qPrintable(verdict(o)));
        EVENTUALLY(named<QPushButton>(o, "bench-offer").height() > 10); // laid out
        press(o, "bench-offer");
        const auto truth = std::ranges::find_if(
            recorded->truth.knobs, [](const auto& one) { return one.post == "level-a" && one.knob == "decay"; });
        const double found = o.patch().post("level-a")->knobs.at("decay");
        QVERIFY2(std::abs(std::log2(found / truth->real)) < 0.2,
                 qPrintable(QStringLiteral("%1 for %2").arg(found).arg(truth->real)));
        QVERIFY(o.patch().post("level-a")->unknown.contains("decay")); // with the range in which it matches
        o.window.document().history().undo();
        QVERIFY(o.patch().post("level-a")->knobs.at("decay") != found);
    }

    /// An answer that comes while a list of jacks is open does no harm, nor one that was asked of another document.
    void answersComeAtAnyTime() {
        Opened o;
        go(o);
        benchOf(o).asked().choose(Question::Loud);
        benchOf(o).asked().addJack({"osc-a", "saw"});
        QTimer::singleShot(0, [&o] { // once the list is open
            auto* finder = qobject_cast<Finder*>(QApplication::activeModalWidget());
            QVERIFY(finder);
            EVENTUALLY(benchOf(o).settled());
            finder->field().setText(QStringLiteral("kick osc sine"));
            QTest::keyClick(&finder->field(), Qt::Key_Return);
        });
        benchOf(o).chooseJack();
        QCOMPARE(benchOf(o).asked().jacks().size(), std::size_t{2});
        answered(o);
        benchOf(o).asked().choose(Question::Better); // two jacks against each other
        EVENTUALLY(!o.window.jobs().all().empty());
        o.window.openCopy(QStringLiteral(LARIAT_SOURCE "/data/demo/fog-signal.json"));
        QVERIFY(!benchOf(o).answer().has_value());
        answered(o);
        EVENTUALLY(o.window.jobs().all().empty());
        if (benchOf(o).answer())
            for (const std::string& name : benchOf(o).answer()->tracks) QVERIFY(name.find("Kick") == std::string::npos);
        // A second window asks for itself.
        Opened other;
        go(other);
        benchOf(other).asked().choose(Question::Note);
        benchOf(other).asked().addJack({"osc-c", "sine"});
        answered(other);
        QVERIFY(std::abs(figure(other, "pitch-hertz") - 36.7) < 0.2);
        QVERIFY(benchOf(o).asked().jacks().empty());
    }

    /// Live, a steady tone is what it is in a silent run.
    void liveIsAsOffline() {
        Opened o;
        go(o);
        benchOf(o).asked().choose(Question::Note);
        benchOf(o).asked().addJack({"osc-b", "pulse"});
        answered(o);
        const double offline = figure(o, "pitch-hertz");
        QVERIFY(offline > 20.0);
        o.window.sound().setRunning(true);
        named<QComboBox>(o, "bench-from").setCurrentIndex(1);
        const QString before = verdict(o);
        EVENTUALLY(benchOf(o).answer() && figure(o, "pitch-hertz") > 0.0 && verdict(o) != QString());
        QTest::qWait(20);
        EVENTUALLY(std::abs(1200.0 * std::log2(figure(o, "pitch-hertz") / offline)) < 0.5);
    }

    /// Two takes of one name stay two; a fit with nothing ticked turns nothing.
    void twoOfOneNameAndNoneTicked() {
        const QTemporaryDir own;
        Opened o(own.path());
        QTest::keyClick(&o.window, Qt::Key_F6);
        EVENTUALLY(!o.window.log().keeping());
        QVERIFY(o.window.document().apply({SetKnob{"filter", "cutoff", 300.0}}, QStringLiteral("duller")));
        QTest::keyClick(&o.window, Qt::Key_F6);
        EVENTUALLY(!o.window.log().keeping());
        const std::vector<TakeLine> takes = o.window.log().book()->list().value();
        for (const TakeLine& line : takes) QVERIFY(o.window.log().book()->label(line.id, {.name = "same"}).has_value());
        QVERIFY(o.window.document().apply({SetKnob{"filter", "cutoff", 6000.0}}, QStringLiteral("bright")));
        go(o);
        benchOf(o).asked().choose(Question::Better);
        auto& against = named<QComboBox>(o, "bench-against");
        QCOMPARE(against.count(), 3); // and a file
        QCOMPARE(against.itemText(0), against.itemText(1));
        against.setCurrentIndex(1);
        Q_EMIT against.activated(1);
        answered(o);
        const double second = figure(o, "brightness-2");
        QVERIFY2(second > 0.0, qPrintable(verdict(o)));
        QTest::keyClick(&o.window, Qt::Key_3, Qt::ControlModifier);
        go(o);
        QCOMPARE(against.currentIndex(), 1);
        against.setCurrentIndex(0);
        Q_EMIT against.activated(0);
        answered(o);
        QVERIFY(figure(o, "brightness-2") != second);
        const std::string before = writePatch(o.patch());
        QTest::keyClick(&o.window, Qt::Key_8, Qt::AltModifier);
        answered(o);
        press(o, "bench-fit");
        QVERIFY(benchOf(o).settled());
        QVERIFY(writePatch(o.patch()) == before);
    }

    /// An empty patch, and one of two hundred cables.
    void emptyAndLarge() {
        Opened o;
        o.window.document().startNew("keepers-case");
        go(o);
        for (int n = 0; n < kQuestionCount; ++n) {
            benchOf(o).asked().choose(static_cast<Question>(n));
            answered(o);
            QVERIFY2(!verdict(o).isEmpty(), questionId(static_cast<Question>(n)));
        }
        QTest::keyClick(&o.window, Qt::Key_F4); // nothing is chosen
        QVERIFY(benchOf(o).isVisible());
        answered(o);
        o.window.openCopy(QStringLiteral(LARIAT_SOURCE "/data/demo/night-watch.json"));
        benchOf(o).asked().choose(Question::Loud);
        answered(o);
        QVERIFY2(benchOf(o).answer().has_value(), qPrintable(verdict(o)));
        QTest::keyClick(&o.window, Qt::Key_F5); // asked again, and stopped
        press(o, "bench-stop");
        QVERIFY(benchOf(o).settled());
    }
};

QTEST_MAIN(BenchWindowTest)
#include "bench_window_test.moc"
