// Documents in the window: saved, dropped, offered again, gone back to, and printed; nothing is lost or old.
#include "app/opened.h"
#include "devices/simulated_device.h"
#include "model/file.h"
#include "sheet/sheet_place.h"
#include "shell/patch_dialog.h"
#include "widgets/file_dialog.h"

#include <QMimeData>

#include <csignal>

#include <sys/resource.h>
#include <sys/stat.h>

using namespace lariat;
using namespace lariat::test;

namespace {

/// While it lives no file grows beyond so many bytes: what is written fails half way, as on a full disk.
class FullDisk {
  public:
    explicit FullDisk(rlim_t bytes) {
        struct sigaction ignore {};
        ignore.sa_handler = SIG_IGN;
        sigaction(SIGXFSZ, &ignore, &old_);
        getrlimit(RLIMIT_FSIZE, &usual_);
        const rlimit full{bytes, usual_.rlim_max};
        setrlimit(RLIMIT_FSIZE, &full);
    }
    ~FullDisk() {
        setrlimit(RLIMIT_FSIZE, &usual_);
        sigaction(SIGXFSZ, &old_, nullptr);
    }
    FullDisk(const FullDisk&) = delete;
    FullDisk& operator=(const FullDisk&) = delete;

  private:
    struct sigaction old_ {};
    rlimit usual_{};
};

} // namespace

class FilesWindowTest : public QObject {
    Q_OBJECT

    QTemporaryDir settings_;

  private Q_SLOTS:
    void initTestCase() { prepareApplication(settings_); }

    void namesGetTheirEnding() {
        const QStringList endings = {QStringLiteral(".lariat"), QStringLiteral(".json")};
        QCOMPARE(withEnding(QStringLiteral("lamp"), endings), QStringLiteral("lamp.lariat"));
        QCOMPARE(withEnding(QStringLiteral("lamp v1.2"), endings), QStringLiteral("lamp v1.2.lariat"));
        QCOMPARE(withEnding(QStringLiteral("lamp.json"), endings), QStringLiteral("lamp.json"));
        QCOMPARE(withEnding(QStringLiteral("LAMP.JSON"), endings), QStringLiteral("LAMP.JSON"));
    }

    /// The question about replacing is asked about the name that will be written.
    void savingNeverReplacesUnasked() {
        Opened o;
        const QString taken = o.folder.filePath(QStringLiteral("lamp.lariat"));
        QVERIFY(writeFile(taken.toStdString(), "{\"format\": \"lariat-patch\"}", FileKind::Patch));
        QString asked;
        answerFileDialog(o.folder.filePath(QStringLiteral("lamp")));
        answerQuestion(QStringLiteral("Cancel"), &asked);
        o.action(QStringLiteral("save-as"))->trigger();
        QVERIFY(asked.contains(QStringLiteral("lamp.lariat")));
        QCOMPARE(*readFile(taken.toStdString()), std::string("{\"format\": \"lariat-patch\"}"));
        answerFileDialog(o.folder.filePath(QStringLiteral("lamp v1.2")));
        o.action(QStringLiteral("save-as"))->trigger();
        QVERIFY(QFileInfo::exists(o.folder.filePath(QStringLiteral("lamp v1.2.lariat"))));
        QVERIFY(o.window.document().history().isClean());
    }

    void theSecondToSaveIsAsked() {
        Opened o;
        const QString file = o.folder.filePath(QStringLiteral("both.lariat"));
        QVERIFY(o.window.document().saveAs(file));
        Document other(workspace());
        QVERIFY(other.open(file));
        QVERIFY(other.apply({SetTitle{"Theirs"}}, QStringLiteral("name")));
        QVERIFY(other.saveAs(file));
        QVERIFY(o.window.document().apply({SetTitle{"Mine"}}, QStringLiteral("name")));
        QString asked;
        answerQuestion(QStringLiteral("Cancel"), &asked);
        o.action(QStringLiteral("save"))->trigger();
        QVERIFY2(asked.contains(QStringLiteral("Theirs")), qPrintable(asked));
        QCOMPARE(openPatch(file.toStdString(), workspace().library)->title, std::string("Theirs"));
        answerQuestion(QStringLiteral("Replace it"));
        o.action(QStringLiteral("save"))->trigger();
        QCOMPARE(openPatch(file.toStdString(), workspace().library)->title, std::string("Mine"));
    }

    void aNoteThatIsStillTypedIsSaved() {
        Opened o;
        const QString file = o.folder.filePath(QStringLiteral("noted.lariat"));
        QVERIFY(o.window.document().saveAs(file));
        o.window.selection().chooseCable(5);
        QCoreApplication::processEvents();
        auto* note = o.place().inspector().findChild<QLineEdit*>(QStringLiteral("cable-note"));
        note->setFocus();
        EVENTUALLY(note->hasFocus());
        QTest::keyClicks(note, QStringLiteral("the red one"));
        QTest::keyClick(note, Qt::Key_S, Qt::ControlModifier);
        QCOMPARE(openPatch(file.toStdString(), workspace().library)->cable(5)->note, std::string("the red one"));
    }

    void unsavedChangesAreAskedFor() {
        for (const char* name : {"new", "demo", "close"}) {
            Opened o;
            o.window.document().apply({SetTitle{"Precious"}}, QStringLiteral("name"));
            QString asked;
            answerQuestion(QStringLiteral("Cancel"), &asked);
            o.action(QString::fromLatin1(name))->trigger();
            QVERIFY2(asked.contains(QStringLiteral("Precious")), name);
            QCOMPARE(o.patch().title, std::string("Precious"));
            QVERIFY(o.window.isVisible());
            answerQuestion(QStringLiteral("Discard"));
            o.action(QString::fromLatin1(name))->trigger();
            QVERIFY(o.patch().title != "Precious" || !o.window.isVisible());
        }
    }

    /// All that was left behind is offered, also later, from the menu.
    void everyUnsavedWorkIsOffered() {
        Opened o;
        for (const char* name : {"One", "Two"}) {
            Patch patch = lamp();
            patch.title = name;
            QVERIFY(writeFile(
                o.folder.filePath(QStringLiteral("unsaved/unsaved-%1.json").arg(QLatin1String(name))).toStdString(),
                writePatch(patch), FileKind::Patch));
        }
        o.window.offerRecovery();
        QVERIFY(o.window.messages().text().contains(QLatin1Char('2')));
        o.window.messages().say(QStringLiteral("something else"), false);
        QMenu menu;
        o.window.files().fillLeftBehind(menu);
        QCOMPARE(menu.actions().size(), 2);
        for (QAction* work : menu.actions())
            if (work->text().startsWith(QStringLiteral("One"))) work->menu()->actions()[1]->trigger(); // thrown away
        o.window.files().fillLeftBehind(menu);
        QCOMPARE(menu.actions().size(), 1);
        menu.actions()[0]->menu()->actions()[0]->trigger(); // opened
        QCOMPARE(o.patch().title, std::string("Two"));
    }

    /// A check that somebody stops leaves nothing stale behind: the head says so, and no old sheet is printed.
    void aStoppedCheckPrintsNoOldSheet() {
        Opened o;
        QVERIFY(o.window.checker().upToDate());
        o.window.document().apply({RemoveCable{o.patch().cables.back().id}}, QStringLiteral("remove"));
        QVERIFY(!o.window.checker().upToDate());
        EVENTUALLY(!o.window.jobs().all().empty());
        o.window.jobs().stopAll();
        EVENTUALLY(o.window.checker().settled());
        QVERIFY(!o.window.checker().upToDate());
        auto* sheet = dynamic_cast<SheetPlace*>(o.window.place(QStringLiteral("sheet")));
        const QString file = o.folder.filePath(QStringLiteral("sheet.md"));
        sheet->write(file);
        QVERIFY(!QFileInfo::exists(file));
        EVENTUALLY(QFileInfo::exists(file)); // it looks again, and saves what it finds
        QCOMPARE(o.window.checker().sheet().rows.size(), o.patch().cables.size());
    }

    /// A sheet that waits to be worked out is not saved if that is stopped, nor as the sheet of another patch.
    void aSheetThatWaitsIsForgotten() {
        Opened o;
        auto* sheet = dynamic_cast<SheetPlace*>(o.window.place(QStringLiteral("sheet")));
        const QString file = o.folder.filePath(QStringLiteral("sheet.md"));
        sheet->write(file);
        EVENTUALLY(!o.window.jobs().all().empty());
        o.window.jobs().stopAll();
        EVENTUALLY(o.window.messages().text().contains(QStringLiteral("stopped")));
        sheet->write(file);
        QVERIFY(o.window.openFile(QStringLiteral(LARIAT_SOURCE "/data/demo/lamp.json")));
        EVENTUALLY(o.window.messages().text().contains(QStringLiteral("other patch")));
        o.settle();
        QVERIFY(!QFileInfo::exists(file));
    }

    void aFileIsDropped() {
        Opened o;
        const Patch before = o.patch();
        const auto drop = [&](const QString& file) {
            QMimeData data;
            data.setUrls({QUrl::fromLocalFile(file)});
            QDragEnterEvent enter(QPoint(300, 300), Qt::CopyAction, &data, Qt::LeftButton, Qt::NoModifier);
            QCoreApplication::sendEvent(&o.window, &enter);
            QVERIFY(enter.isAccepted());
            QDropEvent event(QPointF(300, 300), Qt::CopyAction, &data, Qt::LeftButton, Qt::NoModifier);
            QCoreApplication::sendEvent(&o.window, &event);
        };
        drop(QStringLiteral(LARIAT_SOURCE "/LICENSE"));
        QCOMPARE(o.patch(), before);
        QVERIFY2(o.window.messages().text().contains(QLatin1String("LICENSE")), qPrintable(o.window.messages().text()));
        drop(QStringLiteral(LARIAT_SOURCE "/data/samples/rattle.wav"));
        QCOMPARE(o.patch(), before);
        drop(QStringLiteral(LARIAT_SOURCE "/data/demo/kick.json"));
        QCOMPARE(o.patch().title, std::string("Engine Room, three kicks"));
    }

    /// The disk takes no more while a patch is saved: the old file is whole, and the change is still there, unsaved.
    void aDiskThatIsFullLosesNothing() {
        Opened o;
        const QString file = o.folder.filePath(QStringLiteral("mine.json"));
        QVERIFY(o.window.document().saveAs(file));
        const auto before = readFile(file.toStdString());
        o.window.document().apply({SetTitle{"Changed"}}, QStringLiteral("name"));
        // No file may grow beyond 200 bytes: what is written fails half way, as on a full disk.
        Result<void> saved;
        {
            const FullDisk full(200);
            saved = o.window.document().saveAs(file);
        }
        QVERIFY(!saved);
        QVERIFY(!saved.error().reason.empty());
        QCOMPARE(*readFile(file.toStdString()), *before);
        QCOMPARE(o.patch().title, std::string("Changed"));
        QVERIFY(!o.window.document().history().isClean());
        QVERIFY(o.window.document().saveAs(file)); // there is room again
        QCOMPARE(QDir(o.folder.path()).entryList(QDir::Files), QStringList{QStringLiteral("mine.json")});
    }

    void historyShowsEveryStep() {
        Opened o;
        o.window.document().apply({SetTitle{"One"}}, QStringLiteral("name One"));
        o.action(QStringLiteral("history"))->trigger();
        auto* view = o.window.findChild<QUndoView*>();
        QVERIFY(view && view->isVisible());
        QCOMPARE(view->stack()->count(), 1);
        view->close();
    }

    /// A recording on a disk that fills up ends with a message and keeps what it has.
    void aRecordingOnAFullDiskIsKept() {
        Opened o;
        const QString file = o.folder.filePath(QStringLiteral("take.wav"));
        {
            const FullDisk full(200'000); // half a second
            o.window.sound().record(file);
            QVERIFY(o.window.sound().recording());
            EVENTUALLY(!o.window.sound().recording());
        }
        QVERIFY(o.window.messages().text().contains(QStringLiteral("The disk takes no more")));
        QVERIFY(QFileInfo(file).size() > 100'000);
        // The same of what comes in, and both at once have files of their own.
        const QString in = o.folder.filePath(QStringLiteral("in.wav"));
        AudioSettings settings;
        settings.comesIn = {0.5f, -0.5f};
        o.window.sound().openDevice(std::make_unique<SimulatedDevice>(settings));
        {
            const FullDisk full(200'000);
            o.window.sound().recordIn(in);
            QVERIFY(o.window.sound().recordingIn());
            EVENTUALLY(!o.window.sound().recordingIn());
        }
        QVERIFY(o.window.messages().text().contains(QStringLiteral("in.wav")));
        QVERIFY(QFileInfo(in).size() > 100'000);
        o.window.sound().record(o.folder.filePath(QStringLiteral("one.wav")));
        o.window.sound().recordIn(o.folder.filePath(QStringLiteral("one.wav"))); // the other one writes there
        QVERIFY(o.window.sound().recording() && !o.window.sound().recordingIn());
        o.window.sound().stopRecording();
        // Nor does a recording take the place of a patch.
        const QString patch = o.folder.filePath(QStringLiteral("mine.json"));
        QVERIFY(o.window.document().saveAs(patch));
        o.window.sound().record(patch);
        QVERIFY(!o.window.sound().recording());
        QVERIFY(openPatch(patch.toStdString(), workspace().library));
    }
};

QTEST_MAIN(FilesWindowTest)
#include "files_window_test.moc"
