// The house that holds the places: what they share, what happens when another patch comes, files, windows, keys.
#include "app/opened.h"
#include "measure/measure.h"
#include "model/audio_file.h"
#include "model/file.h"
#include "sheet/sheet_place.h"
#include "shell/patch_dialog.h"
#include "shell/render_dialog.h"
#include "timing/stems.h"
#include "widgets/file_dialog.h"

#include <QtTest>

#include <QAccessible>
#include <QLineEdit>

#include <set>
#include <sys/stat.h>

using namespace lariat;
using namespace lariat::test;

class HouseTest : public QObject {
    Q_OBJECT

    QTemporaryDir settings_;

    /// The line of a knob or a note: whatever is typed into.
    static void eachTextField(Opened& o, const std::function<void(QLineEdit&)>& check) {
        check(o.place().tieLine());
        o.window.selection().chooseCable(13);
        QCoreApplication::processEvents();
        auto* note = o.place().inspector().findChild<QLineEdit*>(QStringLiteral("cable-note"));
        QVERIFY(note);
        check(*note);
        Knob* knob = o.place().inspector().knob("cutoff");
        QVERIFY(knob);
        knob->typeValue();
        check(*knob->findChild<QLineEdit*>());
    }

  private Q_SLOTS:
    void initTestCase() { prepareApplication(settings_); }

    void noKeyIsGivenTwice() {
        std::set<QString> keys;
        std::set<QString> names;
        Opened o;
        for (const Shortcut& one : allShortcuts()) {
            QVERIFY2(keys.insert(QKeySequence(QString::fromLatin1(one.keys)).toString()).second, one.keys);
            QVERIFY2(names.insert(QString::fromLatin1(one.action)).second, one.action);
            const auto actions = o.window.findChildren<QAction*>(QString::fromLatin1(one.action));
            QVERIFY2(actions.size() == 1, one.action);
            QCOMPARE(actions[0]->shortcut(), QKeySequence(QString::fromLatin1(one.keys)));
        }
        // … and nobody makes one beside the table.
        for (const auto& [name, action] : allActions(*o.window.menuBar()))
            if (!action->shortcut().isEmpty()) QVERIFY2(names.contains(action->objectName()), qPrintable(name));
    }

    /// Every shortcut reaches its action, from the place where it can be used.
    void everyShortcutIsPressed() {
        Opened o;
        o.window.selection().chooseCable(5);
        for (const Shortcut& one : allShortcuts()) {
            QAction* action = o.action(QString::fromLatin1(one.action));
            action->setEnabled(true);
            QObject::disconnect(action, &QAction::triggered, nullptr, nullptr); // it is to be heard, not to act
            QObject::disconnect(action, &QAction::toggled, nullptr, nullptr);
            QSignalSpy triggered(action, &QAction::triggered);
            o.chart().setFocus();
            QTest::keySequence(&o.chart(), QKeySequence(QString::fromLatin1(one.keys)));
            QVERIFY2(triggered.count() == 1, one.action);
        }
    }

    /// What a place does is done only there.
    void actionsOfAPlaceRestElsewhere() {
        Opened o;
        o.window.selection().chooseCable(5);
        const Patch before = o.patch();
        for (const char* place : {"sheet", "bench"}) {
            o.window.showPlace(QString::fromLatin1(place));
            QVERIFY(!o.action(QStringLiteral("remove-cable"))->isEnabled());
            QVERIFY(!o.action(QStringLiteral("choose-all"))->isEnabled());
            QVERIFY(o.action(QStringLiteral("run"))->isEnabled());
            QVERIFY(o.action(QStringLiteral("sheet-pdf"))->isEnabled());
            QTest::keyClick(&o.window, Qt::Key_Delete);
            QTest::keyClick(&o.window, Qt::Key_Delete, Qt::ControlModifier);
            QVERIFY(o.patch() == before);
        }
        o.window.showPlace(QStringLiteral("patch"));
        QVERIFY(o.action(QStringLiteral("remove-cable"))->isEnabled());
        QTest::keyClick(&o.chart(), Qt::Key_Delete);
        QCOMPARE(o.patch().cables.size(), before.cables.size() - 1);
    }

    void textFieldsKeepTheirKeys() {
        Opened o;
        const Patch before = o.patch();
        const bool running = o.window.sound().engine().running();
        eachTextField(o, [&](QLineEdit& field) {
            field.setFocus();
            EVENTUALLY(field.hasFocus());
            field.setText(QStringLiteral("one two three"));
            field.setCursorPosition(7);
            QTest::keyClick(&field, Qt::Key_Backspace, Qt::ControlModifier);
            QCOMPARE(field.text(), QStringLiteral("one  three"));
            QTest::keyClick(&field, Qt::Key_Delete, Qt::ControlModifier);
            QVERIFY(field.text().size() < 10);
            QTest::keyClick(&field, Qt::Key_Space);
            QTest::keyClick(&field, Qt::Key_K, Qt::ControlModifier);
            QTest::keyClick(&field, Qt::Key_A, Qt::ControlModifier);
            QTest::keyClick(&field, Qt::Key_Delete);
            QCOMPARE(field.text(), QString());
            QVERIFY(o.patch() == before);
            QVERIFY(!o.chart().compact());
            QCOMPARE(o.window.sound().engine().running(), running);
            QVERIFY(o.window.selection().cables().size() <= 1);
        });
    }

    void oneGoesThereAndBack() {
        Opened o;
        QVERIFY(!o.window.navigator().canGoBack() || o.window.navigator().place() == QLatin1String("patch"));
        o.window.selection().chooseCable(5);
        o.window.showPlace(QStringLiteral("sheet"));
        QCOMPARE(o.window.navigator().place(), QStringLiteral("sheet"));
        o.window.navigator().showCable(12);
        QCOMPARE(o.window.navigator().place(), QStringLiteral("patch"));
        QCOMPARE(o.window.selection().cable(), 12);
        QTest::keyClick(&o.window, Qt::Key_Left, Qt::AltModifier);
        QCOMPARE(o.window.navigator().place(), QStringLiteral("sheet"));
        QCOMPARE(o.window.selection().cable(), 5);
        QTest::keyClick(&o.window, Qt::Key_Left, Qt::AltModifier);
        QCOMPARE(o.window.navigator().place(), QStringLiteral("patch"));
        QCOMPARE(o.window.selection().cable(), 5);
        // What is gone meanwhile is not chosen again.
        o.window.navigator().showCable(12);
        o.window.document().apply({RemoveCable{5}}, QStringLiteral("remove"));
        o.window.navigator().back();
        QVERIFY(o.window.selection().cable() != 5);
    }

    void anotherDocumentForgetsTheOldOne() {
        Opened o;
        o.window.selection().chooseCable(5);
        Listening& listening = o.window.sound().listening();
        listening.silenceRow(3, true);
        listening.soloVoice("Kick");
        listening.listenTo(2);
        o.action(QStringLiteral("only-voice"))->trigger();
        o.action(QStringLiteral("hold-traces"))->trigger();
        o.action(QStringLiteral("row-by-row"))->trigger();
        o.window.selection().choosePost("filter");
        QCoreApplication::processEvents();
        QTest::mouseClick(o.place().inspector().findChild<QAbstractButton*>(QStringLiteral("jack-in-2")),
                          Qt::LeftButton);
        o.window.session().controllers.learn("filter", "cutoff");
        QVERIFY(!o.place().inspector().pending().post.empty());
        QVERIFY(o.chart().showsPart() && o.window.readings().held());
        o.window.openCopy(QStringLiteral(LARIAT_SOURCE "/data/demo/engine-room.json"));
        QVERIFY(!listening.changesAnything());
        QVERIFY(!o.chart().showsPart());
        QVERIFY(!o.window.readings().held());
        QVERIFY(!o.action(QStringLiteral("hold-traces"))->isChecked());
        QVERIFY(!o.action(QStringLiteral("row-by-row"))->isChecked());
        QVERIFY(o.place().inspector().pending().post.empty());
        QVERIFY(!o.window.session().controllers.learning());
        QVERIFY(!o.window.selection().cable() && o.window.selection().post().empty());
        QVERIFY(o.window.checker().findings().empty());
        QVERIFY(!o.window.checker().knows());
    }

    void soundGoesToAFileInTheBackground() {
        Opened o;
        const QString file = o.folder.filePath(QStringLiteral("lamp"));
        const auto part = [](RenderDialog& dialog, const char* name) {
            return dialog.findChild<QComboBox*>(QLatin1String(name));
        };
        answerDialog<RenderDialog>([&](RenderDialog& dialog) {
            dialog.findChild<QSpinBox*>(QStringLiteral("render-seconds"))->setValue(3);
            // 32 bits need a WAV file: choosing the one gives up the other.
            part(dialog, "render-kind")->setCurrentIndex(1);
            QCOMPARE(part(dialog, "render-bits")->currentData().toInt(), 24);
            part(dialog, "render-bits")->setCurrentIndex(0);
            QCOMPARE(part(dialog, "render-kind")->currentIndex(), 0);
            part(dialog, "render-kind")->setCurrentIndex(1);
            part(dialog, "render-bits")->setCurrentIndex(2);
            part(dialog, "render-rate")->setCurrentIndex(0);
            QVERIFY(!dialog.findChild<QCheckBox*>(QStringLiteral("render-scenes"))->isEnabled()); // it has none
            dialog.findChild<QCheckBox*>(QStringLiteral("render-stems"))->setChecked(true);
        });
        answerFileDialog(file);
        o.action(QStringLiteral("render"))->trigger();
        QVERIFY(std::ranges::any_of(o.window.jobs().all(), [](const auto& job) { return !job->ended(); }));
        EVENTUALLY(QFileInfo::exists(file + QStringLiteral(".flac")));
        EVENTUALLY(o.window.messages().text().contains(QStringLiteral("lamp.flac")));
        const auto made = readAudio((file + QStringLiteral(".flac")).toStdString());
        QVERIFY(made);
        QCOMPARE(made->rate, 44100.0);
        QCOMPARE(made->samples.size(), std::size_t{2 * 3 * 44100});
        QVERIFY(measureLevel(made->samples).peak().value > 0.1);
        const QStringList stems = QDir(file).entryList(QDir::Files);
        QCOMPARE(stems.size(), static_cast<int>(stemsOf(o.patch(), workspace().library).size()));
        // What was chosen is proposed the next time.
        RenderDialog next(o.window.session(), &o.window);
        QCOMPARE(next.format().bits, 16);
        QCOMPARE(next.format().rate, 44100.0);
        QSettings().remove(QStringLiteral("render"));
    }

    /// What cannot be used now looks so, and what is switched on does, in both themes.
    void whatCannotBeUsedLooksSo() {
        for (const Theme theme : {Theme::Dark, Theme::Light}) {
            applyTheme(theme);
            const auto ink = [](QWidget& widget) { // how far its text stands out from its ground
                widget.resize(120, 30);
                const QImage image = widget.grab().toImage().convertToFormat(QImage::Format_Grayscale8);
                int low = 255;
                int high = 0;
                for (int y = 8; y < 22; ++y) // within the border
                    for (int x = 22; x < 90; ++x) {
                        low = std::min(low, qGray(image.pixel(x, y)));
                        high = std::max(high, qGray(image.pixel(x, y)));
                    }
                return high - low;
            };
            QPushButton button(QStringLiteral("WWWW"));
            QCheckBox box(QStringLiteral("WWWW"));
            QComboBox combo;
            combo.addItem(QStringLiteral("WWWW"));
            for (QWidget* one : std::initializer_list<QWidget*>{&button, &box, &combo}) {
                const int before = ink(*one);
                one->setEnabled(false);
                QVERIFY2(ink(*one) < 0.75 * before, one->metaObject()->className());
                one->setEnabled(true);
                QCOMPARE(ink(*one), before);
            }
            button.setCheckable(true);
            const QImage off = button.grab().toImage();
            button.setChecked(true);
            QVERIFY(button.grab().toImage().pixel(8, 15) != off.pixel(8, 15));
        }
    }

    /// The recording follows what is heard, whatever device plays it, and ends with the window.
    void whatIsHeardIsRecorded() {
        Opened o;
        const QString take = o.folder.filePath(QStringLiteral("take"));
        const auto frames = [&] { return o.window.sound().engine().meters.frames.load(); };
        answerFileDialog(take);
        o.action(QStringLiteral("record-sound"))->trigger();
        QVERIFY(o.window.sound().recording());
        auto* shown = o.window.findChild<QPushButton*>(QStringLiteral("take"));
        EVENTUALLY(shown->isVisible());
        auto before = frames();
        EVENTUALLY(frames() > before + 9600);
        AudioSettings settings;
        auto device = std::make_unique<SimulatedDevice>(settings);
        SimulatedDevice* raw = device.get();
        o.window.sound().openDevice(std::move(device)); // another one, which then goes away
        raw->pull();
        EVENTUALLY(o.window.messages().text().contains(QLatin1String("has gone away")));
        QVERIFY(o.window.sound().recording());
        before = frames();
        EVENTUALLY(frames() > before + 9600);
        EVENTUALLY(shown->text().contains(QLatin1String("0:0")));
        shown->click();
        QVERIFY(!o.window.sound().recording());
        const auto read = readAudio((take + QStringLiteral(".wav")).toStdString());
        QVERIFY(read);
        QVERIFY(read->samples.size() > 2 * 19200);
        QVERIFY(measureLevel(read->samples).peak().value > 0.01);
        // With each voice by itself in the folder of that name, also after an edit meanwhile.
        o.action(QStringLiteral("record-voices"))->setChecked(true);
        const QString both = o.folder.filePath(QStringLiteral("both"));
        answerFileDialog(both);
        o.action(QStringLiteral("record-sound"))->trigger();
        QVERIFY(o.window.sound().recording());
        before = frames();
        EVENTUALLY(frames() > before + 4800);
        o.window.document().apply({SetKnob{"filter", "cutoff", 900.0}}, QStringLiteral("turn"));
        before = frames();
        EVENTUALLY(frames() > before + 9600);
        o.action(QStringLiteral("record-sound"))->trigger();
        QVERIFY(o.window.messages().text().contains(both));
        const QStringList voices = QDir(both).entryList(QDir::Files);
        QCOMPARE(voices.size(), static_cast<int>(outletsOf(o.patch(), workspace().library).size()));
        const auto mix = readAudio((both + QStringLiteral(".wav")).toStdString());
        for (const QString& voice : voices) {
            const auto own = readAudio(QDir(both).filePath(voice).toStdString());
            QVERIFY(mix && own && own->rate == 96000.0);
            const double seconds = static_cast<double>(own->samples.size()) / own->channels / own->rate;
            QVERIFY(std::abs(seconds - static_cast<double>(mix->samples.size()) / 2.0 / mix->rate) < 0.05);
            QVERIFY2(measureLevel(own->samples).peak().value > 0.01, qPrintable(voice));
        }
        // Again to that name: the voices that are there stay. Another patch ends its voices; what is heard goes on.
        o.window.sound().record(both + QStringLiteral(".wav"), true);
        before = frames();
        EVENTUALLY(frames() > before + 4800);
        o.action(QStringLiteral("undo"))->trigger(); // nothing to be asked about
        const std::string lead = QDir(both).filePath(voices.front()).toStdString();
        const std::size_t length = readAudio(lead)->samples.size();
        QVERIFY(o.window.openFile(QStringLiteral(LARIAT_SOURCE "/data/demo/masthead.json")));
        QVERIFY(o.window.sound().recording());
        QVERIFY2(o.window.messages().text().contains(QStringLiteral("both 2")) || QDir(both + " 2").exists(),
                 qPrintable(o.window.messages().text()));
        const std::string second = QDir(both + QStringLiteral(" 2")).filePath(voices.front()).toStdString();
        const std::size_t ended = readAudio(second)->samples.size();
        before = frames();
        EVENTUALLY(frames() > before + 9600);
        QCOMPARE(readAudio(second)->samples.size(), ended); // whole, and nothing of the next patch in it
        QCOMPARE(readAudio(lead)->samples.size(), length);
        o.action(QStringLiteral("record-sound"))->trigger();
        QVERIFY(readAudio((both + QStringLiteral(".wav")).toStdString())->samples.size() > 2 * 14'000);
        QVERIFY(o.window.openFile(QStringLiteral(LARIAT_SOURCE "/data/demo/lamp.json")));
        o.action(QStringLiteral("record-voices"))->setChecked(false);
        // The same file from a second window: refused with a reason.
        o.window.sound().record(take + QStringLiteral(".wav"));
        Opened other;
        other.window.sound().record(take + QStringLiteral(".wav"));
        QVERIFY(!other.window.sound().recording());
        QVERIFY(other.window.messages().text().contains(QStringLiteral("recorded to already")));
        o.window.close();
        QVERIFY(!o.window.sound().recording());
    }

    /// A window that goes with unsaved work in a saved file asks its document for nothing any more.
    void aWindowGoesWithUnsavedWork() {
        QString title;
        {
            Opened o;
            QVERIFY(o.window.document().saveAs(o.folder.filePath(QStringLiteral("kept under a long name.lariat"))));
            QVERIFY(o.window.document().apply({SetTitle{"Changed"}}, QStringLiteral("name")));
            connect(&o.window, &QWidget::windowTitleChanged, this, [&](const QString& now) { title = now; });
            connect(&o.window.document().history(), &QUndoStack::cleanChanged, this,
                    [&] { title = QStringLiteral("asked"); });
        }
        QVERIFY(title != QStringLiteral("asked"));
    }

    void aClosedWindowIsSilent() {
        Opened o;
        QVERIFY(o.window.sound().engine().running());
        o.window.close();
        QVERIFY(!o.window.sound().engine().running());
        QSignalSpy quit(&o.window, &MainWindow::quitWanted);
        o.action(QStringLiteral("quit"))->trigger();
        QCOMPARE(quit.count(), 1);
    }

    /// Row by row, while what it stands on is undone or taken out.
    void rowByRowSurvivesUndoAndRemoval() {
        Opened o;
        o.window.document().startNew("keepers-case");
        o.place().tieLine().setText(QStringLiteral("anything"));
        const auto& library = workspace().library;
        Patch one = lamp();
        one.cables.resize(2);
        one.patterns.clear();
        const QString file = o.folder.filePath(QStringLiteral("two.lariat"));
        QVERIFY(writeFile(file.toStdString(), writePatch(one), FileKind::Patch));
        QVERIFY(checkPatch(one, library));
        QVERIFY(o.window.openFile(file));
        o.window.document().apply({RemoveCable{one.cables[0].id}}, QStringLiteral("remove"));
        o.action(QStringLiteral("row-by-row"))->trigger();
        o.action(QStringLiteral("next-row"))->trigger();
        o.window.document().apply({RemoveCable{one.cables[1].id}}, QStringLiteral("remove"));
        o.action(QStringLiteral("next-row"))->trigger();
        o.action(QStringLiteral("row-back"))->trigger();
        o.window.document().history().undo();
        o.action(QStringLiteral("next-row"))->trigger();
        o.window.document().history().undo();
        o.window.document().history().redo();
        QCOMPARE(o.patch().cables.size(), std::size_t{1});
    }

    /// A knob's menu and note while a check ends and the page is made anew.
    void menusOutliveTheirPage() {
        Opened o;
        o.window.selection().choosePost("filter");
        QCoreApplication::processEvents();
        Knob* knob = o.place().inspector().knob("cutoff");
        QContextMenuEvent ask(QContextMenuEvent::Mouse, {10, 10}, knob->mapToGlobal(QPoint(10, 10)));
        QCoreApplication::sendEvent(knob, &ask);
        auto* menu = o.window.findChild<QMenu*>(QStringLiteral("knob-menu"));
        QVERIFY(menu && menu->isVisible());
        o.window.selection().choosePost("mixer"); // the page is made anew
        o.window.document().apply({RemovePost{"filter"}}, QStringLiteral("remove"));
        QCoreApplication::sendPostedEvents(nullptr, QEvent::DeferredDelete);
        for (QAction* action : menu->actions()) action->trigger();
        menu->close();
        QCoreApplication::processEvents();
        // A note is asked for, and meanwhile the post goes.
        o.window.selection().choosePost("mixer");
        QCoreApplication::processEvents();
        QTimer::singleShot(0, [&o] { o.window.document().apply({RemovePost{"mixer"}}, QStringLiteral("remove")); });
        answerInput({QStringLiteral("loud")});
        Q_EMIT o.place().inspector().knob("level-1")->noteWanted();
        QVERIFY(!o.patch().post("mixer"));
    }

    void headingMenusOutliveTheirRow() {
        Opened o;
        const ChartRow heading = o.chart().chartLayout().rows.front();
        QCOMPARE(heading.kind, ChartRow::Kind::Heading);
        const QPoint at(40, static_cast<int>(o.chart().chartLayout().headsHeight + heading.height / 2));
        QTimer::singleShot(0, [&o] {
            o.window.document().apply({SetTitle{"Anew"}}, QStringLiteral("name")); // rows are laid out anew
            auto* menu = qobject_cast<QMenu*>(QApplication::activePopupWidget());
            QVERIFY(menu);
            menu->actions().front()->trigger();
            menu->close();
        });
        QContextMenuEvent ask(QContextMenuEvent::Mouse, at, o.chart().viewport()->mapToGlobal(at));
        QCoreApplication::sendEvent(o.chart().viewport(), &ask);
        const Heading* folded = o.patch().heading(heading.voice, heading.step);
        QVERIFY(folded && folded->folded);
        // The keyboard reaches it, and opens it again.
        o.chart().setFocus();
        o.window.selection().chooseCable(o.patch().cables[5].id);
        QTest::keyClick(&o.chart(), Qt::Key_Home);
        QTest::keyClick(&o.chart(), Qt::Key_Return);
        const Heading* open = o.patch().heading(heading.voice, heading.step);
        QVERIFY(!open || !open->folded);
    }

    void aDeviceThatIsNotThereIsNamed() {
        Opened o;
        o.window.sound().openDevice(QStringLiteral("Golden interface"));
        QVERIFY(o.window.messages().text().contains(QStringLiteral("Golden interface")));
        o.window.sound().setBlockFrames(0);
        QVERIFY(o.window.messages().text().contains(QStringLiteral("16")));
        o.window.sound().setBlockFrames(4294967295u);
        QCOMPARE(o.window.sound().blockFrames(), 8192u);
    }

    void theHeadIsEdited() {
        Opened o;
        QTimer::singleShot(0, [] {
            auto* dialog = qobject_cast<PatchDialog*>(QApplication::activeModalWidget());
            QVERIFY(dialog);
            dialog->findChild<QLineEdit*>(QStringLiteral("title"))->setText(QStringLiteral("Lantern"));
            dialog->findChild<QComboBox*>(QStringLiteral("key"))->setCurrentText(QStringLiteral("E minor"));
            dialog->findChild<QLineEdit*>(QStringLiteral("tempo"))->setText(QStringLiteral("96"));
            dialog->findChild<QPlainTextEdit*>(QStringLiteral("about"))->setPlainText(QStringLiteral("A light."));
            dialog->findChild<QDialogButtonBox*>()->button(QDialogButtonBox::Ok)->click();
        });
        QTest::mouseClick(o.window.findChild<QAbstractButton*>(QStringLiteral("head")), Qt::LeftButton);
        QCOMPARE(o.patch().title, std::string("Lantern"));
        QCOMPARE(o.patch().key, std::string("E minor"));
        QCOMPARE(o.patch().about, std::string("A light."));
        QVERIFY(std::abs(tempoOf(o.patch(), workspace().library) - 96.0) < 1e-9);
        o.window.document().history().undo();
        QCOMPARE(o.patch().title, std::string("Lamp"));
    }

    /// Long words are cut, and do not widen the window.
    void longTitlesDoNotWidenTheWindow() {
        Opened o;
        o.window.resize(1000, 700);
        o.window.document().apply({SetTitle{std::string(400, 'W')}, DescribePatch{std::string(300, 'k'), ""}},
                                  QStringLiteral("name"));
        QCoreApplication::processEvents();
        QVERIFY2(o.window.width() <= 1000, qPrintable(QString::number(o.window.width())));
        QVERIFY(o.window.minimumSizeHint().width() <= 1000);
    }

    /// The chart is a list of its rows, and knobs have values, for those who hear the window.
    void theWindowSpeaks() {
        Opened o;
        QAccessibleInterface* chart = QAccessible::queryAccessibleInterface(&o.chart());
        QVERIFY(chart);
        QCOMPARE(chart->role(), QAccessible::List);
        QCOMPARE(chart->childCount(), o.chart().rowCount());
        EVENTUALLY(!o.chart().readingOf(o.patch().cables[0].id).isEmpty());
        QStringList rows;
        for (int n = 0; n < chart->childCount(); ++n) rows << chart->child(n)->text(QAccessible::Name);
        QVERIFY(rows.contains(QStringLiteral("Lead · make it sound")));
        const QString first = rows.filter(QStringLiteral("Cable 1,")).value(0);
        QVERIFY2(first.contains(QStringLiteral("Follower saw to Filter in 1")) && first.contains(QStringLiteral(" V")),
                 qPrintable(first));
        QVERIFY(!rows.filter(QStringLiteral("what is heard 0.0 st")).isEmpty()); // the finding
        for (int n = 0; n < chart->childCount(); ++n) QCOMPARE(chart->indexOfChild(chart->child(n)), n);
        o.window.selection().chooseCable(o.patch().cables[0].id);
        QVERIFY(chart->child(1)->state().selected);
        QAccessibleInterface* last = chart->child(chart->childCount() - 1);
        o.window.document().apply({RemoveCable{o.patch().cables.back().id}}, QStringLiteral("remove"));
        QVERIFY(!last->isValid() || !last->text(QAccessible::Name).isEmpty());
        o.window.selection().choosePost("filter");
        QCoreApplication::processEvents();
        Knob* cutoff = o.place().inspector().knob("cutoff");
        QAccessibleInterface* knob = QAccessible::queryAccessibleInterface(cutoff);
        QVERIFY(knob && knob->valueInterface());
        QCOMPARE(knob->valueInterface()->currentValue().toDouble(), cutoff->value());
        QCOMPARE(knob->text(QAccessible::Name), QStringLiteral("Cutoff"));
        QVERIFY(knob->text(QAccessible::Value).contains(QStringLiteral("Hz, ")));
        knob->valueInterface()->setCurrentValue(500.0);
        QVERIFY(std::abs(o.patch().post("filter")->knobs.at("cutoff") - 500.0) < 1e-6);
    }

    void theTempoIsTapped() {
        Taps taps;
        QCOMPARE(taps.tapAt(0), 0.0);
        QCOMPARE(taps.tapAt(500), 120.0);
        QCOMPARE(taps.tapAt(1010), 60'000.0 * 2 / 1010);
        QCOMPARE(taps.tapAt(9000), 0.0); // after a pause it begins anew
        QCOMPARE(taps.tapAt(9600), 100.0);
        Opened o;
        o.action(QStringLiteral("tap-tempo"))->trigger();
        QTest::qWait(400); // the hand's, not the program's
        o.action(QStringLiteral("tap-tempo"))->trigger();
        const double tempo = tempoOf(o.patch(), workspace().library);
        QVERIFY2(tempo > 60.0 && tempo < 151.0, qPrintable(QString::number(tempo)));
    }
};

QTEST_MAIN(HouseTest)
#include "house_test.moc"
