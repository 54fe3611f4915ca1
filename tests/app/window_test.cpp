// Whole tasks in the real window, by mouse and keyboard.
#include "app/opened.h"
#include "devices/simulated_device.h"
#include "library/midi_file.h"
#include "model/file.h"
#include "patch/patch_place.h"
#include "places.h"
#include "sheet/sheet_place.h"
#include "shell/command_finder.h"
#include "shell/main_window.h"
#include "shell/preferences.h"
#include "support/patches.h"
#include "widgets/jack_row.h"
#include "widgets/knob.h"

#include <QtTest>

#include <QComboBox>
#include <QFileDialog>
#include <QMenuBar>
#include <QPushButton>
#include <QScrollBar>
#include <QSettings>
#include <QTemporaryDir>

using namespace lariat;
using namespace lariat::test;

class WindowTest : public QObject {
    Q_OBJECT

    QTemporaryDir settings_;

  private Q_SLOTS:
    void initTestCase() { prepareApplication(settings_); }

    /// Open, tie by drag and by the tie line, see the trace, undo, fix a finding, save, reopen, print.
    void theWholeLine() {
        Opened o;
        QCOMPARE(o.patch().cables.size(), std::size_t{21});
        QCOMPARE(o.window.checker().findings().size(), std::size_t{3});

        // Tie by drag from the LFO's line to the follower's.
        o.drag("lfo", "osc-a", 3);
        EVENTUALLY(o.place().chooser());
        QVERIFY(o.place().chooser()->isVisible());
        Opened::choose(o.place().chooser()->outputs(), QStringLiteral("sine"));
        Opened::choose(o.place().chooser()->inputs(), QStringLiteral("pwm"));
        QTest::keyClick(o.place().chooser(), Qt::Key_Return);
        QVERIFY(o.tied("lfo.sine", "osc-a.pwm"));
        const int dragged = o.window.selection().cable();
        QCOMPARE(o.patch().cable(dragged)->to.text(), std::string("osc-a.pwm"));
        EVENTUALLY(o.chart().traceOf(dragged).size() > 10); // it lives
        EVENTUALLY(o.chart().readingOf(dragged).contains(QLatin1Char('V')));

        // Tie by the tie line.
        EVENTUALLY(!o.place().chooser());
        o.window.activateWindow();
        QVERIFY(QTest::qWaitForWindowActive(&o.window));
        QTest::keyClick(&o.window, Qt::Key_T, Qt::ControlModifier);
        EVENTUALLY(o.place().tieLine().hasFocus());
        QTest::keyClicks(&o.place().tieLine(), QStringLiteral("leader sub to mixer in 3"));
        o.place().tieLine().setText(QStringLiteral("leader sub ÷2 to mixer in 3"));
        QTest::keyClick(&o.place().tieLine(), Qt::Key_Return);
        QVERIFY(o.tied("osc-b.sub-2", "mixer.in-3"));
        QVERIFY(o.window.messages().text().contains(QLatin1String("Tied")));
        QCOMPARE(o.patch().cables.size(), std::size_t{23});
        o.settle();
        QVERIFY(o.found("drone")); // and it says so at once

        // Undo both.
        QTest::keyClick(&o.window, Qt::Key_Z, Qt::ControlModifier);
        QTest::keyClick(&o.window, Qt::Key_Z, Qt::ControlModifier);
        QCOMPARE(o.patch().cables.size(), std::size_t{21});
        o.settle();

        // Fix a finding where it stands on the chart.
        QVERIFY(o.found("pitch-on-follower"));
        o.chart().verticalScrollBar()->setValue(0); // it may be under the heads
        QTest::mouseClick(o.chart().viewport(), Qt::LeftButton, {}, o.chart().fixPoint("pitch-on-follower"));
        QVERIFY(o.tied("tracks.pitch-1", "osc-b.voct"));
        o.settle();
        QVERIFY(!o.found("pitch-on-follower"));

        // Save through the menu, reopen, and it is the same patch.
        const QString file = o.folder.filePath(QStringLiteral("mine.json"));
        answerFileDialog(file);
        o.action(QStringLiteral("save"))->trigger();
        QVERIFY(QFile::exists(file));
        QVERIFY(!o.window.isWindowModified());
        const Patch saved = o.patch();
        QVERIFY(o.window.openFile(file));
        QVERIFY(o.patch() == saved);
        o.settle();

        // Print it.
        o.window.showPlace(QStringLiteral("sheet"));
        auto* sheet = dynamic_cast<SheetPlace*>(o.window.place(QStringLiteral("sheet")));
        EVENTUALLY(sheet->pageCount() >= 3);
        const QString pdf = o.folder.filePath(QStringLiteral("mine.pdf"));
        answerFileDialog(pdf);
        QTest::mouseClick(sheet->findChild<QPushButton*>(QStringLiteral("save-pdf")), Qt::LeftButton);
        QFile printed(pdf);
        QVERIFY(printed.open(QIODevice::ReadOnly) && printed.read(5) == "%PDF-");
        sheet->write(o.folder.filePath(QStringLiteral("mine.md")));
        QVERIFY(QFile::exists(o.folder.filePath(QStringLiteral("mine.md"))));
    }

    void turningAKnobChangesTheTrace() {
        Opened o;
        const int cable = o.patch().cableInto(jackRef("osc-a.sync"))->id;
        o.window.selection().choosePost("osc-b");
        EVENTUALLY(o.chart().readingOf(cable).contains(QLatin1String("D3")));
        Knob* fine = o.place().inspector().knob("fine");
        QVERIFY(fine);
        QTest::mouseDClick(fine, Qt::LeftButton, {}, {40, 26});
        auto* field = fine->findChild<QLineEdit*>();
        field->setText(QStringLiteral("4"));
        QTest::keyClick(field, Qt::Key_Return);
        QCOMPARE(o.patch().post("osc-b")->knobs.at("fine"), 4.0);
        EVENTUALLY(o.chart().readingOf(cable).contains(QLatin1String("E3")));
        // Nonsense is refused with what was expected.
        Knob* again = o.place().inspector().knob("fine");
        again->typeValue();
        again->findChild<QLineEdit*>()->setText(QStringLiteral("sideways"));
        QTest::keyClick(again->findChild<QLineEdit*>(), Qt::Key_Return);
        QVERIFY(o.window.messages().text().contains(QLatin1String("sideways")));
        QCOMPARE(o.patch().post("osc-b")->knobs.at("fine"), 4.0);
    }

    void aDraggedKnobIsOneStepToUndo() {
        Opened o;
        o.window.selection().choosePost("filter");
        Knob* cutoff = o.place().inspector().knob("cutoff");
        QTest::mousePress(cutoff, Qt::LeftButton, {}, {40, 40});
        for (int y = 38; y > 10; y -= 2) QTest::mouseMove(cutoff, {40, y});
        QTest::mouseRelease(cutoff, Qt::LeftButton, {}, {40, 12});
        QVERIFY(o.patch().post("filter")->knobs.at("cutoff") > 2000.0);
        QCOMPARE(o.window.document().history().count(), 1);
        QTest::keyClick(&o.window, Qt::Key_Z, Qt::ControlModifier);
        QCOMPARE(o.patch().post("filter")->knobs.at("cutoff"), 1480.0);
        EVENTUALLY_EQUAL(o.place().inspector().knob("cutoff")->value(), 1480.0);
    }

    void jacksOfTheInspectorTie() {
        Opened o;
        o.window.selection().choosePost("lfo");
        auto click = [&](const char* jack) {
            auto* row = o.place().inspector().findChild<JackRow*>(QStringLiteral("jack-") + QLatin1String(jack));
            QVERIFY(row);
            QTest::mouseClick(row, Qt::LeftButton);
            QCoreApplication::sendPostedEvents(nullptr, QEvent::DeferredDelete);
        };
        click("saw");
        QCOMPARE(o.place().inspector().pending().text(), std::string("lfo.saw"));
        o.window.selection().choosePost("filter");
        click("res-cv");
        QVERIFY(o.tied("lfo.saw", "filter.res-cv"));
        QVERIFY(o.place().inspector().pending().post.empty());
        // Two outputs are refused, and the reason is shown.
        click("low");
        o.window.selection().choosePost("lfo");
        click("sine");
        QVERIFY(o.window.messages().text().contains(QLatin1String("both are outputs")));
        // Escape forgets the waiting end.
        click("sine");
        QTest::keyClick(&o.chart(), Qt::Key_Escape);
        EVENTUALLY(o.place().inspector().pending().post.empty());
    }

    void spacePressesAButtonThatHasTheKeyboard() {
        Opened o;
        o.window.selection().choosePost("lfo");
        auto* jack = o.place().inspector().findChild<JackRow*>(QStringLiteral("jack-saw"));
        jack->setFocus();
        const bool running = o.window.sound().engine().running();
        QTest::keyClick(jack, Qt::Key_Space);
        QCOMPARE(o.window.sound().engine().running(), running);
        QCOMPARE(o.place().inspector().pending().text(), std::string("lfo.saw"));
        o.chart().setFocus();
        QTest::keyClick(&o.chart(), Qt::Key_Space);
        QCOMPARE(o.window.sound().engine().running(), !running);
    }

    void aCableIsWrittenDown() {
        Opened o;
        o.window.selection().chooseCable(14);
        auto* note = o.place().inspector().findChild<QLineEdit*>(QStringLiteral("cable-note"));
        QVERIFY(note);
        note->setText(QStringLiteral("behind the mixer"));
        QTest::keyClick(note, Qt::Key_Return);
        QCOMPARE(o.patch().cable(14)->note, std::string("behind the mixer"));
        QCOMPARE(o.patch().cable(14)->lengthCm, 80); // the rest stays
        QCoreApplication::sendPostedEvents(nullptr, QEvent::DeferredDelete);
        auto* bag = o.place().inspector().findChild<QComboBox*>(QStringLiteral("cable-kind"));
        QVERIFY(bag->currentText().contains(QLatin1String("80 cm black (4 of 4 used)")));
        bag->setCurrentIndex(1);
        Q_EMIT bag->activated(1);
        QCOMPARE(o.patch().cable(14)->lengthCm, 20);
        QCOMPARE(o.patch().cable(14)->colour, std::string("grey"));
        QTest::keyClick(&o.window, Qt::Key_Z, Qt::ControlModifier);
        QTest::keyClick(&o.window, Qt::Key_Z, Qt::ControlModifier);
        QVERIFY(o.patch() == lamp());
    }

    void aNoteBeingWrittenIsNotSweptAway() {
        Opened o;
        o.window.selection().chooseCable(14);
        QPointer<QLineEdit> note = o.place().inspector().findChild<QLineEdit*>(QStringLiteral("cable-note"));
        note->setFocus();
        QTest::keyClicks(note, QStringLiteral("half a no"));
        // Something else changes the patch and the findings meanwhile.
        o.window.document().apply({SetKnob{"filter", "amount-1", 20.0}}, QStringLiteral("open"));
        o.settle();
        QCoreApplication::sendPostedEvents(nullptr, QEvent::DeferredDelete);
        QVERIFY(note);
        QTest::keyClicks(note, QStringLiteral("te"));
        QTest::keyClick(note, Qt::Key_Return);
        QCOMPARE(o.patch().cable(14)->note, std::string("half a note"));
    }

    void aPlugTellsWhichNormalItBreaks() {
        Opened o;
        o.drag("mixer", "line-out", 3);
        EVENTUALLY(o.place().chooser());
        Opened::choose(o.place().chooser()->inputs(), QStringLiteral("in R"));
        bool told = false;
        for (const QLabel* label : o.place().chooser()->findChildren<QLabel*>())
            told |= label->text().contains(QLatin1String("Breaks the wire behind the panel from Mixer mix"));
        QVERIFY(told);
        QTest::keyClick(o.place().chooser(), Qt::Key_Escape);
        EVENTUALLY(!o.place().chooser());
        QCOMPARE(o.patch().cables.size(), std::size_t{21});
    }

    void rowsAreChosenMovedAndTakenOutByKey() {
        Opened o;
        o.chart().setFocus();
        QTest::keyClick(&o.chart(), Qt::Key_Home);
        QCOMPARE(o.window.selection().cable(), 1);
        QTest::keyClick(&o.chart(), Qt::Key_Down);
        QCOMPARE(o.window.selection().cable(), 2);
        QTest::keyClick(&o.window, Qt::Key_Down, Qt::ControlModifier);
        QCOMPARE(o.patch().row(2), 3);
        QTest::keyClick(&o.window, Qt::Key_Delete);
        QCOMPARE(o.patch().row(2), 0);
        QCOMPARE(o.patch().cables.size(), std::size_t{20});
        QTest::keyClick(&o.window, Qt::Key_Z, Qt::ControlModifier);
        QTest::keyClick(&o.window, Qt::Key_Z, Qt::ControlModifier);
        QVERIFY(o.patch() == lamp());
    }

    void rowsAndPostsAreDragged() {
        Opened o;
        QWidget* view = o.chart().viewport();
        const QPoint from(20, o.chart().pointOn("clock", 1).y());
        const QPoint to(20, o.chart().pointOn("clock", 3).y());
        QTest::mousePress(view, Qt::LeftButton, {}, from);
        QTest::mouseMove(view, to);
        QTest::mouseRelease(view, Qt::LeftButton, {}, to);
        QCOMPARE(o.patch().row(1), 3);
        const auto& layout = o.chart().chartLayout();
        QTest::mousePress(view, Qt::LeftButton, {}, layout.post("clock")->head.center().toPoint());
        QTest::mouseMove(view, layout.post("filter")->head.center().toPoint() + QPoint(4, 0));
        QTest::mouseRelease(view, Qt::LeftButton, {}, layout.post("filter")->head.center().toPoint() + QPoint(4, 0));
        QVERIFY(o.patch().posts.front().id != "clock");
        QTest::keyClick(&o.window, Qt::Key_Z, Qt::ControlModifier);
        QTest::keyClick(&o.window, Qt::Key_Z, Qt::ControlModifier);
        QVERIFY(o.patch() == lamp());
    }

    void partsComeFromTheCaseAndGoBack() {
        Opened o;
        QAction* noise = nullptr;
        for (const auto& [path, action] : allActions(*o.window.menuBar()))
            if (path.contains(QLatin1String("Add from the case")) && path.contains(QLatin1String("Spray noise")))
                noise = action;
        QVERIFY(noise);
        noise->trigger();
        QCOMPARE(o.patch().posts.back().module, std::string("spray-noise"));
        QCOMPARE(o.window.selection().post(), o.patch().posts.back().id);
        o.action(QStringLiteral("remove-post"))->trigger();
        QCOMPARE(o.patch().posts.size(), std::size_t{15});
    }

    void nonsenseInTheTieLineChangesNothing() {
        Opened o;
        o.place().tieLine().setText(QStringLiteral("lfo sin to follower pwm"));
        QTest::keyClick(&o.place().tieLine(), Qt::Key_Return);
        QVERIFY(o.window.messages().text().contains(QLatin1String("LFO sine")));
        QVERIFY(o.patch() == lamp());
        QCOMPARE(o.place().tieLine().text(), QStringLiteral("lfo sin to follower pwm")); // to be mended
    }

    void badFilesLeaveTheOpenPatch() {
        Opened o;
        const auto write = [&](const char* name, const QByteArray& bytes) {
            QFile file(o.folder.filePath(QString::fromLatin1(name)));
            file.open(QIODevice::WriteOnly);
            file.write(bytes);
            return file.fileName();
        };
        QByteArray newer = QByteArray::fromStdString(writePatch(lamp()));
        newer.replace("\"version\": 1", "\"version\": 7");
        for (const auto& [file, says] : {std::pair{write("cut.json", newer.left(300)), "cut short"},
                                         {write("newer.json", newer), "newer Lariat"},
                                         {o.folder.filePath(QStringLiteral("none.json")), "cannot be opened"}}) {
            QVERIFY(!o.window.openFile(file));
            QVERIFY2(o.window.messages().text().contains(QLatin1String(says)), qPrintable(o.window.messages().text()));
            QVERIFY(o.window.messages().text().contains(QFileInfo(file).fileName()));
            QVERIFY(o.patch() == lamp());
        }
    }

    void theRealCaseIsSwitchedFromTheMenu() {
        Opened o;
        QAction* real = o.action(QStringLiteral("real-case"));
        QVERIFY(real && real->isCheckable());
        const std::size_t ideal = o.window.sound().engine().blockCount();
        real->trigger();
        QVERIFY(o.window.sound().realCase());
        QVERIFY(o.window.sound().engine().blockCount() > ideal);
        real->trigger();
        QCOMPARE(o.window.sound().engine().blockCount(), ideal);
    }

    /// Every shipped patch opens from the menu by its title and is told apart.
    void nightWatchOpensFromTheMenu() {
        Opened o;
        for (const QString& title :
             {QStringLiteral("Deep Water"), QStringLiteral("Bell Buoy"), QStringLiteral("Lamp, mended")}) {
            QAction* open = o.entry(title);
            QVERIFY2(open, qPrintable(title));
            open->trigger();
            QCOMPARE(QString::fromStdString(o.patch().title), title);
        }
    }

    void recordingsAndTuningsAreChosenInTheInspector() {
        Opened o;
        o.entry(QStringLiteral("Engine Room, rattle"))->trigger();
        o.settle();
        o.window.selection().choosePost("player");
        QCoreApplication::processEvents();
        auto* box = o.window.findChild<QComboBox*>(QStringLiteral("source-recording"));
        QVERIFY(box);
        QCOMPARE(box->currentText(), QStringLiteral("rattle"));
        box->setCurrentIndex(0);
        Q_EMIT box->activated(0);
        QVERIFY(o.patch().post("player")->sample.empty());
        o.window.document().history().undo();
        QCOMPARE(o.patch().post("player")->sample, std::string("rattle"));
    }

    /// Unplugged, the CV knob is the depth of the other oscillator; the inspector says so, and what a plug makes of it.
    void theWordsInForceAreShown() {
        Opened o;
        o.entry(QStringLiteral("Deep Water"))->trigger();
        o.settle();
        o.window.selection().choosePost("whirl-a");
        QCoreApplication::processEvents();
        const auto named = [&](const QString& name) {
            const auto all = o.window.findChildren<Knob*>();
            return std::ranges::any_of(all, [&](const Knob* knob) { return knob->accessibleName().contains(name); });
        };
        QVERIFY(named(QStringLiteral("From B")));
        QVERIFY(o.window.document().apply(
            {TieCable{{0, jackRef("register.second"), jackRef("whirl-a.fm"), {}, {}, {}, 0, {}, {}}, 0}},
            QStringLiteral("tie")));
        QCoreApplication::processEvents();
        EVENTUALLY(named(QStringLiteral("CV")) && !named(QStringLiteral("From B")));
    }

    void aMidiFileIsPlayedOnTheKeys() {
        Opened o;
        o.entry(QStringLiteral("First light"))->trigger();
        o.settle();
        QTemporaryDir folder;
        const QString file = folder.filePath(QStringLiteral("two.mid"));
        QVERIFY(writeMidiFile(file.toStdString(), {"keys", 90.0, 0.0, {{0.0, {0x90, 60, 90}}, {1.0, {0x80, 60, 0}}}}));
        o.window.selection().choosePost("keys");
        // What is lost is said before anything is replaced.
        const Performance before = *o.patch().performance("keys");
        QString asked;
        answerFileDialog(file);
        answerQuestion(QStringLiteral("Cancel"), &asked);
        o.action(QStringLiteral("play-midi"))->trigger();
        QVERIFY2(asked.contains(QStringLiteral("2 message")) &&
                     asked.contains(QStringLiteral("1 text or mark")) == false,
                 qPrintable(asked));
        QVERIFY(asked.contains(QString::number(before.messages.size())));
        QVERIFY(*o.patch().performance("keys") == before);
        answerFileDialog(file);
        answerQuestion(QStringLiteral("OK"));
        o.action(QStringLiteral("play-midi"))->trigger();
        EVENTUALLY_EQUAL(o.patch().performance("keys")->messages.size(), std::size_t{2});
    }

    /// The same words live and on the sheet, for every row whose pitch can be told.
    void pitchIsToldInTheSameWordsEverywhere() {
        Opened o;
        o.window.checker().askForSheet();
        EVENTUALLY(o.window.checker().sheetIsReady());
        for (const SheetRow& row : o.window.checker().sheet().rows) {
            if (row.kind != SignalKind::Audio || row.detail.find("Hz") == std::string::npos) continue;
            const int cable = o.patch().cables[static_cast<std::size_t>(row.number - 1)].id;
            const QString words = QString::fromStdString(row.detail);
            EVENTUALLY_OR(o.chart().readingOf(cable).endsWith(words),
                          qPrintable(o.chart().readingOf(cable) + QStringLiteral(" / ") + words));
        }
    }

    void theTransportRuns() {
        Opened o;
        EVENTUALLY(o.window.transport().position() != QLatin1String("1 · 1"));
        EVENTUALLY(o.window.transport().left().volts() > 0.5);
        o.action(QStringLiteral("run"))->trigger();
        QVERIFY(!o.window.sound().engine().running());
        QTest::mouseClick(o.window.findChild<QAbstractButton*>(QStringLiteral("run")), Qt::LeftButton);
        QVERIFY(o.window.sound().engine().running());
        const int before = o.window.transport().monitor()->value();
        o.action(QStringLiteral("monitor-down"))->trigger();
        QCOMPARE(o.window.transport().monitor()->value(), before - 3);
        QCOMPARE(o.window.sound().monitorDecibels(), before - 3.0);
    }

    void noEditStopsTheSound() {
        Opened o;
        const auto frames = [&] { return o.window.sound().engine().meters.frames.load(); };
        for (int i = 0; i < 5; ++i) {
            const auto before = frames();
            o.window.document().apply({RemoveCable{o.patch().cables.back().id}}, QStringLiteral("out"));
            EVENTUALLY(frames() > before);
        }
        EVENTUALLY(o.window.transport().left().volts() > 0.5);
    }

    void aDeviceThatGoesAwayIsReplaced() {
        Opened o;
        AudioSettings settings;
        auto device = std::make_unique<SimulatedDevice>(settings);
        SimulatedDevice* raw = device.get();
        o.window.sound().openDevice(std::move(device));
        raw->pull();
        EVENTUALLY(o.window.messages().text().contains(QLatin1String("has gone away")));
        const auto before = o.window.sound().engine().meters.frames.load();
        EVENTUALLY(o.window.sound().engine().meters.frames.load() > before);
    }

    void preferencesChooseLookAndDevice() {
        Opened o;
        Preferences dialog(o.window.session(), &o.window);
        auto* device = dialog.findChild<QComboBox*>(QStringLiteral("device"));
        QVERIFY(device->findText(QString::fromLatin1(kSimulatedDevice)) > 0);
        device->setCurrentText(QString::fromLatin1(kSimulatedDevice));
        Q_EMIT device->activated(device->currentIndex());
        QCOMPARE(Preferences::device(), QString::fromLatin1(kSimulatedDevice));
        auto* theme = dialog.findChild<QComboBox*>(QStringLiteral("theme"));
        connect(&dialog, &Preferences::themeChosen, &o.window, &MainWindow::chooseTheme);
        theme->setCurrentIndex(theme->findData(QStringLiteral("dark")));
        Q_EMIT theme->activated(theme->currentIndex());
        QVERIFY(look().dark);
        QVERIFY(o.window.grab().toImage().pixelColor(700, 700).lightness() < 110);
        o.window.chooseTheme(Theme::Light);
        QVERIFY(o.window.grab().toImage().pixelColor(700, 700).lightness() > 150);
    }

    void placesStandInOrder() {
        Opened o;
        const char* order[] = {"stock", "plan", "patch", "time", "bench", "sheet", "log"};
        const auto entries = allPlaces();
        QCOMPARE(entries.size(), std::size(order));
        for (std::size_t i = 0; i < entries.size(); ++i) {
            QCOMPARE(entries[i].id, QString::fromLatin1(order[i]));
            QTest::mouseClick(o.window.findChild<QAbstractButton*>(QStringLiteral("place-") + entries[i].id),
                              Qt::LeftButton);
            QVERIFY(o.window.place(entries[i].id)->isVisible());
        }
        QTest::keyClick(&o.window, Qt::Key_5, Qt::ControlModifier);
        QVERIFY(o.window.place(QStringLiteral("bench"))->isVisible());
    }

    void everyActionIsFoundByName() {
        Opened o;
        CommandFinder finder(*o.window.menuBar(), &o.window);
        finder.show();
        auto* field = finder.findChild<QLineEdit*>();
        QTest::keyClicks(field, QStringLiteral("start or"));
        const bool running = o.window.sound().engine().running();
        QTest::keyClick(field, Qt::Key_Return);
        QCOMPARE(o.window.sound().engine().running(), !running);
    }

    void shortcutsAreUnique() {
        Opened o;
        QStringList seen;
        for (const auto& [path, action] : allActions(*o.window.menuBar())) {
            if (action->shortcut().isEmpty()) continue;
            QVERIFY2(!seen.contains(action->shortcut().toString()), qPrintable(path));
            seen << action->shortcut().toString();
        }
        QVERIFY(seen.size() > 15);
    }

    void everythingThatTakesFocusHasAName() {
        Opened o;
        for (const QWidget* widget : o.window.findChildren<QWidget*>()) {
            const auto* button = qobject_cast<const QAbstractButton*>(widget);
            if (!(widget->focusPolicy() & Qt::TabFocus) || !widget->isVisible()) continue;
            QVERIFY2(!widget->accessibleName().isEmpty() || (button && !button->text().isEmpty()),
                     widget->metaObject()->className());
        }
    }

    void leftBehindWorkIsOffered() {
        Opened o;
        Patch patch = lamp();
        patch.title = "Rescued";
        QVERIFY(writeFile(o.folder.filePath(QStringLiteral("unsaved/unsaved-999999999.json")).toStdString(),
                          writePatch(patch), FileKind::Patch));
        o.window.offerRecovery();
        QVERIFY(o.window.messages().text().contains(QLatin1String("not closed properly")));
        for (QPushButton* button : o.window.messages().findChildren<QPushButton*>())
            if (button->text() == QLatin1String("Open it")) button->click();
        QCOMPARE(o.patch().title, std::string("Rescued"));
    }

    void nothingIsCutAtTheUsualSizes_data() {
        QTest::addColumn<QSize>("size");
        QTest::newRow("1280x800") << QSize(1280, 800);
        QTest::newRow("1920x1080") << QSize(1920, 1080);
    }
    void nothingIsCutAtTheUsualSizes() {
        QFETCH(QSize, size);
        Opened o;
        o.window.resize(size);
        QCoreApplication::processEvents();
        QCOMPARE(o.window.size(), size); // no child asks for more
        QCOMPARE(o.chart().horizontalScrollBar()->maximum(), 0);
        for (const QLabel* label : o.window.findChildren<QLabel*>())
            if (label->isVisible() && !label->wordWrap() && label->textFormat() == Qt::PlainText)
                QVERIFY2(label->sizeHint().width() <= label->width() + 1, qPrintable(label->text()));
    }

    void foldedAndCompactRows() {
        Opened o;
        const qreal tall = o.chart().chartLayout().contentHeight;
        o.action(QStringLiteral("compact"))->trigger();
        QVERIFY(o.chart().chartLayout().contentHeight < tall);
        o.action(QStringLiteral("normals"))->trigger();
        QVERIFY(!o.chart().showsNormals());
        QTest::mouseClick(o.chart().viewport(), Qt::LeftButton, {},
                          QPoint(200, static_cast<int>(o.chart().chartLayout().headsHeight) + 12));
        QVERIFY(!o.chart().chartLayout().cableRow(1));
    }

    void anEmptyPatchSaysWhatToDo() {
        Opened o;
        o.window.document().startNew();
        o.settle();
        QVERIFY(o.patch().posts.empty());
        QVERIFY(!o.window.grab().isNull());
    }
};

QTEST_MAIN(WindowTest)
#include "window_test.moc"
