// The open patch: history, files, autosave and recovery.
#include "model/file.h"
#include "shell/document.h"
#include "support/eventually.h"
#include "support/patches.h"

#include <QtTest>

#include <set>

#include <QTemporaryDir>

using namespace lariat;
using namespace lariat::test;

class DocumentTest : public QObject {
    Q_OBJECT

    const QString lamp_ = QStringLiteral(LARIAT_SOURCE "/data/demo/lamp.json");

  private Q_SLOTS:
    void editsAreUndoneAndRedone() {
        Document document(workspace());
        QVERIFY(document.open(lamp_));
        QVERIFY(document.history().isClean());
        QVERIFY(document.apply({RemoveCable{13}}, QStringLiteral("remove")));
        QVERIFY(document.apply({SetTitle{"Lamp two"}}, QStringLiteral("name")));
        QCOMPARE(document.history().count(), 2);
        document.history().undo();
        document.history().undo();
        QVERIFY(document.patch() == test::lamp());
        QVERIFY(document.history().isClean());
        document.history().redo();
        QCOMPARE(document.patch().cables.size(), std::size_t{20});
    }

    void turningAKnobIsOneStep() {
        Document document(workspace());
        QVERIFY(document.open(lamp_));
        for (int i = 0; i < 50; ++i) document.turnKnob("filter", "cutoff", 300.0 + i);
        document.endTurning();
        for (int i = 0; i < 50; ++i) document.turnKnob("filter", "cutoff", 500.0 + i);
        document.turnKnob("filter", "resonance", 10.0);
        QCOMPARE(document.history().count(), 3);
        document.history().undo();
        document.history().undo();
        QCOMPARE(document.patch().post("filter")->knobs.at("cutoff"), 349.0);
        document.history().undo();
        QCOMPARE(document.patch().post("filter")->knobs.at("cutoff"), 1480.0);
    }

    void refusedEditsChangeNothing() {
        Document document(workspace());
        QVERIFY(document.open(lamp_));
        QSignalSpy refused(&document, &Document::refused);
        QVERIFY(!document.apply({SetTitle{"half"}, RemoveCable{99}}, QStringLiteral("both")));
        QCOMPARE(refused.count(), 1);
        QVERIFY(document.patch() == test::lamp());
        QCOMPARE(document.history().count(), 0);
        // A knob beyond its range passes the edit but not the check.
        QVERIFY(!document.apply({SetKnob{"filter", "cutoff", 1e9}}, QStringLiteral("far")));
        QVERIFY(document.patch() == test::lamp());
    }

    void aBadFileLeavesTheOpenPatch() {
        QTemporaryDir folder;
        QFile bad(folder.filePath(QStringLiteral("bad.json")));
        QVERIFY(bad.open(QIODevice::WriteOnly));
        bad.write("{\"format\": \"lariat-patch\"");
        bad.close();
        Document document(workspace());
        QVERIFY(document.open(lamp_));
        QVERIFY(document.apply({SetTitle{"Mine"}}, QStringLiteral("name")));
        const auto opened = document.open(bad.fileName());
        QVERIFY(!opened);
        QVERIFY(opened.error().text().find("bad.json") != std::string::npos);
        QCOMPARE(document.patch().title, std::string("Mine"));
        QCOMPARE(document.history().count(), 1);
    }

    void savedItIsClean() {
        QTemporaryDir folder;
        Document document(workspace());
        QVERIFY(document.openCopy(lamp_));
        QVERIFY(document.file().isEmpty());
        document.apply({SetTitle{"Mine"}}, QStringLiteral("name"));
        const QString file = folder.filePath(QStringLiteral("mine.json"));
        QVERIFY(document.saveAs(file));
        QVERIFY(document.history().isClean());
        QCOMPARE(document.file(), file);
        Document again(workspace());
        QVERIFY(again.open(file));
        QVERIFY(again.patch() == document.patch());
        QVERIFY(!document.saveAs(QStringLiteral("/no/such/folder/a.json")));
        QCOMPARE(document.file(), file);
    }

    void unsavedWorkIsKept() {
        QTemporaryDir folder;
        Document document(workspace());
        document.setRecoveryFolder(folder.path());
        QVERIFY(document.open(lamp_));
        document.apply({SetTitle{"Unsaved"}}, QStringLiteral("name"));
        const auto kept = [&] {
            return QDir(folder.path()).entryList({QStringLiteral("unsaved-*.json")}, QDir::Files);
        };
        EVENTUALLY_EQUAL(kept().size(), 1); // five seconds at most may be lost
        // Its owner still lives: nothing to recover.
        QVERIFY(Recovery::leftBehind(folder.path()).empty());
        QVERIFY(document.saveAs(folder.filePath(QStringLiteral("mine.json"))));
        QVERIFY(kept().isEmpty());
    }

    /// Two windows of one program keep their work apart.
    void windowsKeepTheirWorkApart() {
        QTemporaryDir folder;
        Document one(workspace());
        Document two(workspace());
        for (Document* document : {&one, &two}) {
            document->setRecoveryFolder(folder.path());
            QVERIFY(document->open(lamp_));
            document->apply({SetTitle{document == &one ? "One" : "Two"}}, QStringLiteral("name"));
        }
        const auto kept = [&] {
            return QDir(folder.path()).entryInfoList({QStringLiteral("unsaved-*.json")}, QDir::Files);
        };
        EVENTUALLY_EQUAL(kept().size(), 2);
        std::set<std::string> titles;
        for (const QFileInfo& file : kept())
            titles.insert(readFile(file.filePath().toStdString()).and_then(readPatch)->title);
        QCOMPARE(titles, (std::set<std::string>{"One", "Two"}));
    }

    void aLockedKnobStaysAndSaysSo() {
        Document document(workspace());
        QVERIFY(document.open(lamp_));
        QVERIFY(document.apply({DescribeKnob{"filter", "cutoff", "", true}}, QStringLiteral("lock")));
        QSignalSpy refused(&document, &Document::refused);
        const Patch before = document.patch();
        document.turnKnob("filter", "cutoff", 200.0);
        QCOMPARE(document.patch(), before);
        QCOMPARE(refused.count(), 1);
    }

    void rowByRowIsNoEdit() {
        Document document(workspace());
        QVERIFY(document.open(lamp_));
        document.setUntilRow(5);
        QCOMPARE(document.heard().cables.size(), std::size_t{5});
        QCOMPARE(document.patch().cables.size(), std::size_t{21});
        QVERIFY(document.history().isClean());
        document.setUntilRow(99);
        QCOMPARE(document.heard().cables.size(), std::size_t{21});
    }

    void workOfAProgramThatDiedComesBack() {
        QTemporaryDir folder;
        // The companion is there, but nobody holds it: as after a kill, whatever process has that number now.
        const QString left = folder.filePath(QStringLiteral("unsaved-1.json"));
        const QString file = folder.filePath(QStringLiteral("mine.lariat"));
        Patch patch = test::lamp();
        QVERIFY(writeFile(file.toStdString(), writePatch(patch), FileKind::Patch));
        patch.title = "Rescued";
        QVERIFY(writeFile(left.toStdString(), writePatch(patch), FileKind::Patch));
        QVERIFY(writeFile(folder.filePath(QStringLiteral("unsaved-1.lock")).toStdString(), file.toStdString(),
                          FileKind::Text));
        const auto found = Recovery::leftBehind(folder.path());
        QCOMPARE(found.size(), std::size_t{1});
        QCOMPARE(found[0].title, QStringLiteral("Rescued"));
        QCOMPARE(found[0].file, file);
        Document document(workspace());
        document.setRecoveryFolder(folder.path());
        QVERIFY(document.recover(found[0]));
        QCOMPARE(document.patch().title, std::string("Rescued"));
        QCOMPARE(document.file(), file);
        QVERIFY(!document.changedOutside());
        QVERIFY(!document.history().isClean()); // it asks to be saved
        QVERIFY(!QFile::exists(left));
        QVERIFY(!document.recover(found[0]));
    }

    /// What cannot be kept anew stays where it was.
    void nothingIsThrownAwayThatIsNotKept() {
        QTemporaryDir folder;
        const QString left = folder.filePath(QStringLiteral("unsaved-1.json"));
        QVERIFY(writeFile(left.toStdString(), writePatch(test::lamp()), FileKind::Patch));
        const auto found = Recovery::leftBehind(folder.path());
        Document document(workspace());
        document.setRecoveryFolder(folder.path() + QStringLiteral("/unsaved-1.json/no-folder"));
        QSignalSpy refused(&document, &Document::refused);
        QVERIFY(document.recover(found.at(0)));
        QCOMPARE(refused.count(), 1);
        QVERIFY(QFile::exists(left));
        QCOMPARE(document.patch().cables.size(), std::size_t{21});
    }

    /// Another program writes the open file: that is told, with what it changed.
    void changesFromOutsideAreSeen() {
        QTemporaryDir folder;
        const QString file = folder.filePath(QStringLiteral("mine.lariat"));
        Document one(workspace());
        QVERIFY(one.open(lamp_));
        QVERIFY(one.saveAs(file));
        QVERIFY(!one.changedOutside());
        Document two(workspace());
        QVERIFY(two.open(file));
        QVERIFY(two.apply({RemoveCable{two.patch().cables.back().id}}, QStringLiteral("remove")));
        QVERIFY(two.saveAs(file));
        QVERIFY(!two.changedOutside());
        const auto change = one.changedOutside();
        QVERIFY(change && change->contains(QStringLiteral("21")) && change->contains(QStringLiteral("20")));
    }
};

QTEST_MAIN(DocumentTest)
#include "document_test.moc"
