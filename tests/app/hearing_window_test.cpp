// Hearing and setting in the window: listening, keys, controllers, knobs with marks, A and B, files that are dropped.
#include "app/opened.h"
#include "building/capacity.h"
#include "model/file.h"
#include "shell/preferences.h"
#include "widgets/midi_table_view.h"
#include "widgets/pad_surface.h"

using namespace lariat;
using namespace lariat::test;

namespace {

/// The highest peak of some time; the transport takes the meters' peaks away now and then.
float peak(Opened& o, int milliseconds) {
    EngineMeters& meters = o.window.sound().engine().meters;
    QTest::qWait(60); // what is on its way
    meters.peakLeft = 0.0f;
    float highest = 0.0f;
    QElapsedTimer timer;
    timer.start();
    while (timer.elapsed() < milliseconds) {
        QTest::qWait(3);
        highest = std::max(highest, meters.peakLeft.load());
    }
    return highest;
}

} // namespace

namespace {

/// A patch of nothing but the first free part with a block of that type, chosen; `knobs` as they are to stand.
Post alone(Opened& o, const char* type, const std::map<std::string, double>& knobs = {}) {
    const Patch patch = PatchMaker("tower-case").make();
    Post post = postFor(patch, freeParts(patch, workspace().library, workspace().housing(patch), type).front());
    for (const auto& [knob, value] : knobs) post.knobs[knob] = value;
    o.window.document().saveAs(o.folder.filePath(QStringLiteral("own.lariat")));
    o.window.document().startNew("tower-case");
    o.window.document().apply({AddPost{post}}, QStringLiteral("add"));
    o.window.selection().choosePost(post.id);
    QCoreApplication::processEvents();
    return post;
}

} // namespace

class HearingWindowTest : public QObject {
    Q_OBJECT

    QTemporaryDir settings_;

  private Q_SLOTS:
    void initTestCase() { prepareApplication(settings_); }

    void rowsAndVoicesAreSilenced() {
        Opened o;
        Listening& listening = o.window.sound().listening();
        const Cable& way = *o.patch().cableInto(jackRef("line-out.left"));
        EVENTUALLY(peak(o, 300) > 0.1f);
        o.window.selection().chooseCable(way.id);
        o.action(QStringLiteral("mute-row"))->trigger();
        QVERIFY(listening.rowSilenced(way.id));
        EVENTUALLY(peak(o, 300) < 0.01f);
        QVERIFY(o.window.document().history().isClean()); // nothing of it belongs to the patch
        o.action(QStringLiteral("unmute-all"))->trigger();
        EVENTUALLY(peak(o, 300) > 0.1f);

        const std::string voice = o.patch().cables[5].voice;
        listening.silenceVoice(voice, true);
        const std::vector<int> silenced = listening.silenced();
        QVERIFY(!silenced.empty());
        for (const int cable : silenced) QCOMPARE(o.patch().cable(cable)->voice, voice);
        listening.silenceVoice(voice, false);
        listening.soloVoice(voice);
        for (const int cable : listening.silenced()) QVERIFY(o.patch().cable(cable)->voice != voice);
        QVERIFY(!listening.silenced().empty());
        listening.soloVoice("nobody of that name");
        o.window.document().touch();
        QVERIFY(listening.solo().empty()); // a voice that is not there cannot be heard alone
    }

    void aCableIsHeardAloneAndSafe() {
        Opened o;
        const Cable& cable = *o.patch().cableInto(jackRef("filter.in-1"));
        o.window.selection().chooseCable(cable.id);
        o.action(QStringLiteral("listen"))->trigger();
        QCOMPARE(o.window.sound().listening().listened(), cable.id);
        EVENTUALLY_EQUAL(o.chart().readingOf(cable.id).isEmpty(), false);
        o.action(QStringLiteral("listen"))->trigger();
        QCOMPARE(o.window.sound().listening().listened(), 0);
    }

    void keysPlay() {
        Opened o;
        o.window.openCopy(QStringLiteral(LARIAT_SOURCE "/data/demo/first-voice.json"));
        o.window.sound().setRunning(false);
        o.action(QStringLiteral("keys"))->trigger();
        KeyStrip& keys = o.place().keys();
        QVERIFY(keys.isVisible());
        const JackRef pitch = o.patch().cableInto(jackRef("osc.voct"))->from;
        const auto volts = [&] {
            const auto tap = o.window.sound().engine().tap(pitch);
            const auto now = tap ? tap->samples(1) : std::vector<float>{};
            return now.empty() ? -99.0f : now.front();
        };
        const int d = keys.lowest() + 2;
        QTest::mousePress(&keys, Qt::LeftButton, {}, keys.keyBox(d).center().toPoint());
        EVENTUALLY_OR(std::abs(volts() - static_cast<float>(d - 60) / 12.0f) < 0.001f,
                      qPrintable(QString::number(volts())));
        QTest::mouseRelease(&keys, Qt::LeftButton, {}, keys.keyBox(d).center().toPoint());
        keys.setFocus();
        QTest::keyPress(&keys, Qt::Key_G); // the fifth white key: a fifth above C
        EVENTUALLY(std::abs(volts() - static_cast<float>(keys.lowest() + 7 - 60) / 12.0f) < 0.001f);
        QTest::keyRelease(&keys, Qt::Key_G);
        const int lowest = keys.lowest();
        QTest::keyClick(&keys, Qt::Key_PageUp);
        QCOMPARE(keys.lowest(), lowest + 12);
    }

    void aControllerIsLearned() {
        Opened o;
        o.window.sound().openMidi({});
        auto* keyboard = dynamic_cast<SimulatedKeyboard*>(o.window.sound().midi());
        QVERIFY(keyboard);
        o.window.selection().choosePost("filter");
        Knob* cutoff = o.place().inspector().knob("cutoff");
        Q_EMIT cutoff->learnWanted();
        keyboard->push({0xB0, 21, 64});
        EVENTUALLY_EQUAL(o.patch().controllers.size(), std::size_t{1});
        QCOMPARE(o.patch().controllers[0].number, 21);
        keyboard->push({0xB0, 21, 127});
        EVENTUALLY_EQUAL(o.patch().post("filter")->knobs.at("cutoff"), 16000.0);
        keyboard->push({0xB0, 21, 0});
        EVENTUALLY_EQUAL(o.patch().post("filter")->knobs.at("cutoff"), 16.0);
        const auto again = readPatch(writePatch(o.patch()));
        QCOMPARE(again->controllers, o.patch().controllers);
        Q_EMIT o.place().inspector().knob("cutoff")->forgetWanted();
        QVERIFY(o.patch().controllers.empty());
    }

    void knobsAreLockedAndNoted() {
        Opened o;
        o.window.selection().choosePost("filter");
        const auto knob = [&] { return o.place().inspector().knob("cutoff"); };
        Q_EMIT knob()->lockWanted(true);
        QVERIFY(o.patch().post("filter")->locked.contains("cutoff"));
        EVENTUALLY(knob()->locked());
        const double before = knob()->value();
        QTest::keyClick(knob(), Qt::Key_Up);
        QCOMPARE(knob()->value(), before);
        QVERIFY(o.window.messages().text().contains(QLatin1String("locked")));
        answerInput({QStringLiteral("never above noon")});
        Q_EMIT knob()->noteWanted();
        QCOMPARE(o.patch().post("filter")->knobNotes.at("cutoff"), std::string("never above noon"));
        EVENTUALLY(knob()->toolTip().contains(QLatin1String("never above noon")));
        Q_EMIT knob()->lockWanted(false);
        QVERIFY(!o.patch().post("filter")->locked.contains("cutoff"));
        QCOMPARE(o.patch().post("filter")->knobNotes.at("cutoff"), std::string("never above noon"));
    }

    /// What modulation does to a knob is drawn around it, in the unit of the knob.
    void theReachOfModulation() {
        Opened o;
        o.window.selection().choosePost("filter");
        o.window.document().apply({SetKnob{"filter", "amount-1", 25.0}}, QStringLiteral("open"));
        Knob* cutoff = o.place().inspector().knob("cutoff");
        EVENTUALLY(cutoff->reachText().contains(QLatin1String("Hz")));
        EVENTUALLY_OR(cutoff->reachText().contains(QChar(0x2026)), qPrintable(cutoff->reachText()));
    }

    void betweenAAndB() {
        Opened o;
        SettingsPage& page = o.place().panel().settings();
        page.keep("A");
        o.window.document().apply({SetKnob{"filter", "cutoff", 160.0}}, QStringLiteral("turn"));
        page.keep("B");
        QCOMPARE(o.patch().settings.size(), std::size_t{2});
        page.recall("A");
        const double a =
            knobValue(*o.patch().post("filter"), *workspace().library.part(*o.patch().post("filter"))->knob("cutoff"));
        QVERIFY(a != 160.0);
        page.slider().setValue(50);
        const double half = o.patch().post("filter")->knobs.at("cutoff");
        QVERIFY2(std::abs(half - std::sqrt(a * 160.0)) < 0.5,
                 qPrintable(QString::number(half))); // half way on the dial
        page.slider().setValue(100);
        QVERIFY(std::abs(o.patch().post("filter")->knobs.at("cutoff") - 160.0) < 1e-6);
        // One movement of the slider is one step of the history.
        o.window.document().history().undo();
        QVERIFY(std::abs(o.patch().post("filter")->knobs.at("cutoff") - 160.0) > 1.0);
    }

    /// A and B hold cables and steps as well while the patch is open: listed, and brought back as one step.
    void betweenAAndBWithCablesAndSteps() {
        Opened o;
        SettingsPage& page = o.place().panel().settings();
        o.place().panel().setCurrentIndex(2);
        page.keep("A");
        const Patch a = o.patch();
        auto* all = page.findChild<QPushButton*>(QStringLiteral("go-all-A"));
        QVERIFY(all->isEnabled() && !page.findChild<QPushButton*>(QStringLiteral("go-all-B"))->isEnabled());
        QVERIFY(o.window.document().apply(
            {RemoveCable{o.patch().cables.front().id}, SetKnob{"filter", "cutoff", 160.0}}, QStringLiteral("change")));
        page.keep("B");
        const auto text = [&] {
            QString found;
            for (const QLabel* label : page.findChildren<QLabel*>())
                if (label->text().contains(QChar(0x2192))) found = label->text();
            return found;
        };
        QVERIFY2(text().contains(QLatin1String("unplugged: ")) && text().contains(QLatin1String("160 Hz")),
                 qPrintable(text()));
        all->click();
        Patch back = o.patch();
        QCOMPARE(back.settings.size(), std::size_t{2}); // A and B are still there
        back.settings = a.settings;
        QVERIFY(back == a);
        o.window.document().history().undo();
        QCOMPARE(o.patch().cables.size(), a.cables.size() - 1);
        // A file takes their place in the list, until another patch is open.
        page.compareWith(QStringLiteral(LARIAT_SOURCE "/data/demo/engine-room.json"));
        QVERIFY(text().contains(QLatin1String("engine-room.json")) && text().contains(QLatin1String("only before")));
        page.compareWith(QStringLiteral(LARIAT_SOURCE "/README.md"));
        QVERIFY(o.window.messages().text().contains(QLatin1String("README.md")));
        o.window.document().startNew();
        QVERIFY(!all->isEnabled());
    }

    void latencyAndDropouts() {
        Opened o;
        o.window.sound().setBlockFrames(128);
        QCOMPARE(o.window.sound().blockFrames(), 128u);
        QCOMPARE(Sound::latencyMilliseconds(512), 4.0 * Sound::latencyMilliseconds(128));
        EVENTUALLY(peak(o, 300) > 0.1f); // it plays on
        Preferences dialog(o.window.session(), &o.window);
        auto* latency = dialog.findChild<QComboBox*>(QStringLiteral("latency"));
        QCOMPARE(latency->currentData().toUInt(), 128u);
        QVERIFY(dialog.findChild<QComboBox*>(QStringLiteral("midi"))->count() >= 1);
        QVERIFY(dialog.findChild<QComboBox*>(QStringLiteral("language"))->count() >=
                3); // the system's, English, German
    }

    /// A movement on the pad is taken into the patch, plays again by itself, and is one step back.
    void aGestureIsRecordedAndLooped() {
        Opened o;
        const Post post = alone(o, "pad");
        const auto record = [&] {
            return o.place().inspector().findChild<QPushButton*>(QStringLiteral("record-gesture"));
        };
        const auto pad = [&] { return o.place().inspector().findChild<PadSurface*>(QStringLiteral("pad")); };
        QVERIFY(record() && pad());
        QTest::mouseClick(record(), Qt::LeftButton); // nothing is played: nothing is taken
        QTest::mouseClick(record(), Qt::LeftButton);
        QVERIFY(o.patch().performances.empty());
        const int steps = o.window.document().history().index();
        QTest::mouseClick(record(), Qt::LeftButton);
        QVERIFY(record()->isChecked());
        QTest::mousePress(pad(), Qt::LeftButton, {}, QPoint(pad()->width() - 3, pad()->height() / 2));
        QTest::qWait(150); // the hand's
        QTest::mouseMove(pad(), QPoint(3, pad()->height() / 2));
        QTest::qWait(150);
        QTest::mouseRelease(pad(), Qt::LeftButton, {}, QPoint(3, pad()->height() / 2));
        QTest::mouseClick(record(), Qt::LeftButton);
        QCOMPARE(o.window.document().history().index(), steps + 1);
        const Performance* taken = o.patch().performance(post.id);
        QVERIFY(taken && taken->lengthBeats > 0.4 && taken->messages.size() >= 6);
        QVERIFY(!record()->isChecked());
        const auto tap = o.window.sound().engine().watch({post.id, "x"}, {1u << 16, 64}, workspace().library);
        bool left = false;
        bool right = false;
        const auto bothSides = [&] {
            const auto samples = tap->samples(4096);
            for (const float v : samples) {
                left = left || v < -3.0f;
                right = right || v > 3.0f;
            }
            return left && right;
        };
        EVENTUALLY(bothSides());
        const auto again = readPatch(writePatch(o.patch()));
        QVERIFY(again && again->performances == o.patch().performances);
        o.window.document().history().undo();
        QVERIFY(o.patch().performances.empty());
        // Another document while it records: nothing is taken into it.
        QTest::mouseClick(record(), Qt::LeftButton);
        o.window.sound().play({0x90, 60, 100});
        QVERIFY(o.window.document().saveAs(o.folder.filePath(QStringLiteral("own.lariat"))));
        QVERIFY(o.window.openFile(kLamp));
        QVERIFY(o.patch().performances.empty());
    }

    /// Buttons are pressed in what sounds: by mouse, by key, by a learned controller; the patch stays as it is.
    void buttonsArePressed() {
        Opened o;
        const Post post = alone(o, "contour", {{"attack", 0.001}, {"release", 0.01}});
        const auto button = [&] {
            return o.place().inspector().findChild<QPushButton*>(QStringLiteral("press-press-gate"));
        };
        QVERIFY(button());
        const auto tap = o.window.sound().engine().watch({post.id, "out"}, {4096, 64}, workspace().library);
        const auto volts = [&] {
            const auto samples = tap->samples(16);
            return samples.empty() ? -99.0f : samples.back();
        };
        EVENTUALLY(volts() == 0.0f);
        const Patch before = o.patch();
        QTest::mousePress(button(), Qt::LeftButton);
        EVENTUALLY(volts() > 3.0f);
        QTest::mouseRelease(button(), Qt::LeftButton);
        EVENTUALLY(std::abs(volts()) < 0.01f);
        button()->setFocus();
        QTest::keyPress(button(), Qt::Key_Space);
        EVENTUALLY(volts() > 3.0f);
        QTest::keyRelease(button(), Qt::Key_Space);
        EVENTUALLY(std::abs(volts()) < 0.01f);
        // Held, it stays down through an edit that compiles the patch anew, and through findings that come meanwhile.
        QTest::mousePress(button(), Qt::LeftButton);
        EVENTUALLY(volts() > 3.0f);
        const auto others = freeParts(o.patch(), workspace().library, workspace().housing(o.patch()), "vco");
        QVERIFY(o.window.document().apply({AddPost{postFor(o.patch(), others.front())}}, QStringLiteral("add")));
        o.settle();
        QVERIFY(button()->isDown());
        QTest::qWait(120); // longer than a fade
        QVERIFY(volts() > 3.0f);
        QTest::mouseRelease(button(), Qt::LeftButton);
        EVENTUALLY(std::abs(volts()) < 0.01f);
        o.window.document().history().undo();
        // One that is down when another post is chosen stays under the hand, and comes up with it.
        QTest::mousePress(button(), Qt::LeftButton);
        EVENTUALLY(volts() > 3.0f);
        o.window.selection().choosePost("");
        QCoreApplication::processEvents();
        QVERIFY(button());
        QTest::mouseRelease(button(), Qt::LeftButton);
        EVENTUALLY(std::abs(volts()) < 0.01f);
        EVENTUALLY(!button());
        QVERIFY(o.patch() == before);
        // A controller that was learned for it.
        o.window.sound().openMidi({});
        auto* keyboard = dynamic_cast<SimulatedKeyboard*>(o.window.sound().midi());
        QVERIFY(keyboard);
        QVERIFY(o.window.document().apply({LearnController{{30, post.id, "press-gate"}}}, QStringLiteral("learn")));
        const int steps = o.window.document().history().index();
        keyboard->push({0xB0, 30, 127});
        EVENTUALLY(volts() > 3.0f);
        keyboard->push({0xB0, 30, 0});
        EVENTUALLY(std::abs(volts()) < 0.01f);
        QCOMPARE(o.window.document().history().index(), steps);
    }

    /// The joystick moves its voltages, and its touch opens while it is held.
    void thePadIsPlayed() {
        Opened o;
        const Post post = alone(o, "pad");
        auto* pad = o.place().inspector().findChild<PadSurface*>(QStringLiteral("pad"));
        QVERIFY(pad);
        const auto volts = [&](const char* jack) {
            const JackRef ref{post.id, jack};
            static std::map<std::string, std::shared_ptr<const Tap>> taps;
            auto& tap = taps[jack];
            if (!tap) tap = o.window.sound().engine().watch(ref, {1024, 64}, workspace().library);
            const auto samples = tap ? tap->samples(16) : std::vector<float>{};
            return samples.empty() ? 99.0f : samples.back();
        };
        EVENTUALLY(volts("x") < 1.0f);
        EVENTUALLY(volts("touch") < 1.0f); // both run now
        QTest::mousePress(pad, Qt::LeftButton, {}, QPoint(pad->width() - 2, pad->height() / 2));
        EVENTUALLY_OR(volts("x") > 4.0f && volts("x") < 6.0f,
                      qPrintable(QString::number(static_cast<double>(volts("x")))));
        EVENTUALLY(volts("touch") > 4.0f);
        QTest::mouseMove(pad, QPoint(2, pad->height() / 2));
        EVENTUALLY(volts("x") < -4.0f);
        QTest::mouseRelease(pad, Qt::LeftButton, {}, QPoint(2, pad->height() / 2));
        EVENTUALLY(volts("touch") < 1.0f);
        // By hand without a mouse, and not for ever if the keyboard goes elsewhere.
        pad->setFocus();
        QTest::keyPress(pad, Qt::Key_Return);
        EVENTUALLY(volts("touch") > 4.0f);
        QTest::keyRelease(pad, Qt::Key_Return);
        EVENTUALLY(volts("touch") < 1.0f);
        QTest::keyPress(pad, Qt::Key_Return);
        EVENTUALLY(volts("touch") > 4.0f);
        o.chart().setFocus();
        EVENTUALLY(volts("touch") < 1.0f);
    }

    /// A port of a converter gives something else: the table becomes the patch's own, in one step.
    void aPortOfTheConverterIsChanged() {
        Opened o;
        o.window.openCopy(QStringLiteral(LARIAT_SOURCE "/data/demo/signal-mast.json"));
        o.window.selection().choosePost("midi-a");
        QCoreApplication::processEvents();
        auto* view = o.place().inspector().findChild<MidiTableView*>(QStringLiteral("midi-table"));
        QVERIFY(view);
        auto* table = view->findChild<QTableWidget*>();
        QVERIFY(table->item(0, 1)->text().contains(QLatin1String("pitch")));
        QVERIFY(!o.place().inspector().knob("number-cv-1")); // no cell of it stands among the knobs
        const int before = o.window.document().history().index();
        table->setCurrentCell(11, 0);
        auto* gives = view->findChild<QComboBox*>(QStringLiteral("midi-gives"));
        gives->setCurrentIndex(static_cast<int>(MidiFunction::Controller));
        Q_EMIT gives->activated(gives->currentIndex());
        view = o.place().inspector().findChild<MidiTableView*>(QStringLiteral("midi-table"));
        QCOMPARE(view->findChild<QTableWidget*>()->currentRow(), 11); // the port stays chosen
        view->findChild<QSpinBox*>(QStringLiteral("midi-number"))->setValue(91);
        QCOMPARE(o.window.document().history().index(), before + 2);
        const Post& post = *o.patch().post("midi-a");
        const PartInfo& part = *workspace().library.part(post);
        QVERIFY(hasOwnMidiTable(post, part));
        QCOMPARE(functionText(midiTableOf(post, part)->ports[11]).str(), std::string("controller 91"));
        const QString file = o.folder.filePath(QStringLiteral("own.lariat")); // and it is saved
        QVERIFY(o.window.document().saveAs(file));
        const auto again = openPatch(file.toStdString(), workspace().library);
        QVERIFY(again && hasOwnMidiTable(*again->post("midi-a"), part));
        o.window.document().history().undo();
        o.window.document().history().undo();
        QVERIFY(!hasOwnMidiTable(*o.patch().post("midi-a"), part));
    }

    /// A scale is learned from what is played, the root first; kept under a name; and taken again.
    void aScaleIsLearnedAndKept() {
        Opened o;
        const QByteArray home = qgetenv("XDG_DATA_HOME");
        qputenv("XDG_DATA_HOME", o.folder.path().toUtf8());
        o.window.openCopy(QStringLiteral(LARIAT_SOURCE "/data/demo/quantizer.json"));
        o.window.selection().choosePost("quantizer");
        QCoreApplication::processEvents();
        const auto part = [&](const char* name) {
            return o.place().inspector().findChild<QPushButton*>(QLatin1String(name));
        };
        part("learn-scale")->click();
        o.window.document().touch(); // a check ends meanwhile
        for (const std::uint8_t note : std::initializer_list<std::uint8_t>{62, 64, 65, 69, 74}) {
            o.window.sound().play({0x90, note, 100});
            o.window.sound().play({0x80, note, 0});
        }
        part("learn-scale")->click();
        const auto value = [&](const char* knob) {
            const Post& post = *o.patch().post("quantizer");
            return knobValue(post, *workspace().library.part(post)->knob(knob));
        };
        QCOMPARE(value("scale"), 0.0);
        QCOMPARE(value("root"), 2.0);
        for (int n = 0; n < 12; ++n)
            QCOMPARE(value(("note-" + std::to_string(n)).c_str()), n == 0 || n == 2 || n == 3 || n == 7 ? 1.0 : 0.0);
        QMenu* menu = part("own-scales")->menu();
        Q_EMIT menu->aboutToShow();
        // Meanwhile an edit comes in and the page is made anew: the answer still counts.
        QTimer::singleShot(0, [&o] {
            o.window.document().apply({DescribePost{"quantizer", "Quantizer", "", "learned"}}, QStringLiteral("note"));
            QCoreApplication::sendPostedEvents(nullptr, QEvent::DeferredDelete);
        });
        answerInput({QStringLiteral("harbour")});
        menu->findChild<QAction*>(QStringLiteral("save-scale"))->trigger();
        QVERIFY(QFileInfo::exists(o.folder.filePath(QStringLiteral("lariat/tunings/harbour.scl"))));
        o.window.document().history().undo(); // the note
        o.window.document().history().undo();
        QVERIFY(value("scale") != 0.0);
        menu = part("own-scales")->menu();
        Q_EMIT menu->aboutToShow();
        QCOMPARE(menu->actions().first()->text(), QStringLiteral("harbour"));
        menu->actions().first()->trigger();
        QCOMPARE(value("note-7"), 1.0);
        QCOMPARE(value("note-4"), 0.0);
        part("keep-played")->click(); // nothing was recorded: it says so and changes nothing
        QVERIFY(o.window.messages().text().contains(QLatin1String("nothing has been recorded")));
        home.isEmpty() ? qunsetenv("XDG_DATA_HOME") : qputenv("XDG_DATA_HOME", home);
    }

    /// Start and stop of a MIDI clock lead the transport; ours goes out to a port, both are measured.
    void clocksComeAndGo() {
        Opened o;
        o.window.sound().openMidi({});
        auto* keyboard = dynamic_cast<SimulatedKeyboard*>(o.window.sound().midi());
        keyboard->push({0xFC, 0, 0});
        EVENTUALLY(!o.window.sound().engine().running());
        keyboard->push({0xFA, 0, 0});
        for (int n = 0; n < 12; ++n) {
            keyboard->push({0xF8, 0, 0});
            QTest::qSleep(10);
        }
        EVENTUALLY(o.window.sound().engine().running());
        QVERIFY(o.window.sound().clockIn().tempo > 30.0);
        Preferences dialog(o.window.session(), &o.window);
        QVERIFY(dialog.findChild<QLabel*>(QStringLiteral("clocks"))->text().contains(QLatin1String("BPM")));
        auto* out = dialog.findChild<QComboBox*>(QStringLiteral("clock-out"));
        out->setCurrentIndex(out->findData(QString::fromLatin1(kSimulatedMidiOut)));
        Q_EMIT out->activated(out->currentIndex());
        QVERIFY(o.window.sound().clockOut());
        auto* sent = dynamic_cast<SimulatedMidiOut*>(&o.window.sound().clockOut()->output());
        EVENTUALLY(sent->sent().size() > 30);
        const double tempo = tempoOf(o.patch(), workspace().library);
        EVENTUALLY_OR(std::abs(o.window.sound().clockOut()->reading().tempo - tempo) < 0.05 * tempo,
                      qPrintable(QString::number(o.window.sound().clockOut()->reading().tempo)));
        dialog.findChild<QCheckBox*>(QStringLiteral("follows-start"))->setChecked(false);
        keyboard->push({0xFC, 0, 0});
        QTest::qWait(50);
        QVERIFY(o.window.sound().engine().running());
        o.window.sound().openClockOut({});
        QSettings().remove(QStringLiteral("midi"));
    }

    /// The feet beside the keys: by mouse and by comma and full stop, down only while they are pressed.
    void feetArePressed() {
        Opened o;
        KeyStrip& keys = o.place().keys();
        keys.show();
        QCoreApplication::processEvents();
        std::vector<MidiMessage> heard;
        connect(&o.window.sound(), &Sound::played, this, [&](const MidiMessage& m) { heard.push_back(m); });
        const auto spot = keys.footBox(KeyStrip::Foot::Glide).center().toPoint();
        QTest::mousePress(&keys, Qt::LeftButton, {}, spot);
        QTest::mouseRelease(&keys, Qt::LeftButton, {}, spot);
        keys.setFocus();
        QTest::keyPress(&keys, Qt::Key_Comma);
        o.chart().setFocus(); // the foot comes up with the keyboard
        const std::vector<MidiMessage> wanted = {{0xB0, 65, 127}, {0xB0, 65, 0}, {0xB0, 64, 127}, {0xB0, 64, 0}};
        QCOMPARE(heard, wanted);
        QVERIFY(keys.keyBox(keys.lowest() + 36).right() < keys.footBox(KeyStrip::Foot::Latch).left());
    }
};

QTEST_MAIN(HearingWindowTest)
#include "hearing_window_test.moc"
