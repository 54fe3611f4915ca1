// The Stock place through the real window: the ledger leads on, modules are moved by mouse and keys, cables counted,
// cases made, and all of it is kept and undone.
#include "app/opened.h"
#include "stock/stock_place.h"

#include <QLineEdit>
#include <QListWidget>
#include <QSignalSpy>
#include <QSpinBox>

using namespace lariat;
using namespace lariat::test;

namespace {

/// The window with a folder of the user's own, in the Stock place.
struct Stocked {
    QTemporaryDir own;
    QTemporaryDir folder;
    MainWindow window;

    explicit Stocked(const QString& file = kLamp)
        : window(loadWorkspace(dataFolder(), own.path().toStdString()), allPlaces(),
                 folder.filePath(QStringLiteral("u"))) {
        window.openCopy(file);
        window.sound().openDevice(QString::fromLatin1(kSimulatedDevice));
        window.show();
        QVERIFY(QTest::qWaitForWindowExposed(&window));
        window.showPlace(QStringLiteral("stock"));
        QCoreApplication::processEvents();
    }
    StockPlace& place() { return *dynamic_cast<StockPlace*>(window.place(QStringLiteral("stock"))); }
    [[nodiscard]] const Case& housing() { return *window.document().housing(); }
    template <class T> T* find(const QString& name) { return place().findChild<T*>(name); }
    [[nodiscard]] QString message() { return window.messages().text(); }
    /// What the user's folder holds of the case.
    [[nodiscard]] Case kept(const std::string& id) {
        return loadWorkspace(dataFolder(), own.path().toStdString()).cases.at(id);
    }
};

} // namespace

class StockWindowTest : public QObject {
    Q_OBJECT

  private Q_SLOTS:
    void initTestCase() { prepareApplication(settings_); }

    void aCellLeadsToItsPart() {
        Stocked o;
        EVENTUALLY_EQUAL(o.find<QLabel>(QStringLiteral("left-vca"))->text(), QStringLiteral("2 free"));
        EVENTUALLY_EQUAL(o.find<QLabel>(QStringLiteral("left-contour"))->text(), QStringLiteral("all in use"));
        const auto cells = o.place().findChildren<LedgerCellButton*>();
        const auto used = std::ranges::find_if(cells, [](LedgerCellButton* cell) {
            return cell->kind() == LedgerCellButton::Kind::Used &&
                   cell->objectName().startsWith(QLatin1String("cell-vca"));
        });
        QVERIFY(used != cells.end());
        QCOMPARE((*used)->text(), QStringLiteral("Lead"));
        QVERIFY((*used)->accessibleName().contains(QLatin1String("in use by Lead")));
        (*used)->setFocus();
        QTest::keyClick(*used, Qt::Key_Space);
        QCOMPARE(o.window.navigator().place(), QStringLiteral("patch"));
        QCOMPARE(o.window.selection().post(), std::string("vca-1"));
    }

    void theLedgerFollowsThePatch() {
        Stocked o;
        QVERIFY(o.window.document().apply({RemovePost{"vca-1"}}, QStringLiteral("take out")));
        EVENTUALLY_EQUAL(o.find<QLabel>(QStringLiteral("left-vca"))->text(), QStringLiteral("3 free"));
        o.window.document().history().undo();
        EVENTUALLY_EQUAL(o.find<QLabel>(QStringLiteral("left-vca"))->text(), QStringLiteral("2 free"));
    }

    void modulesAreMovedByMouseAndKeys() {
        Stocked o;
        CaseView& view = o.place().caseView();
        const int before = o.housing().slot("harbour")->column;
        const QPoint start = view.rectOf("harbour").center();
        // Four HP are free behind it.
        const QPoint end = start + QPoint(view.rectOf("harbour").width() / 2, 0);
        QTest::mousePress(&view, Qt::LeftButton, {}, start);
        QTest::mouseMove(&view, (start + end) / 2);
        QTest::mouseMove(&view, end);
        QTest::mouseRelease(&view, Qt::LeftButton, {}, end);
        QCOMPARE(o.housing().slot("harbour")->column, before + 4);
        QCOMPARE(o.kept("keepers-case").slot("harbour")->column, before + 4);
        QTest::keyClick(&view, Qt::Key_Left, Qt::ShiftModifier);
        QCOMPARE(o.housing().slot("harbour")->column, before);
        o.window.document().history().undo();
        o.window.document().history().undo();
        QCOMPARE(o.housing().slot("harbour")->column, before);
        QCOMPARE(o.kept("keepers-case").slot("harbour")->column, before);
        // Where another one stands, it is refused, and stays.
        const QPoint there = view.rectOf("gangway").center();
        QTest::mousePress(&view, Qt::LeftButton, {}, start);
        QTest::mouseMove(&view, there);
        QTest::mouseRelease(&view, Qt::LeftButton, {}, there);
        QCOMPARE(o.housing().slot("harbour")->column, before);
        QVERIFY(o.message().contains(QLatin1String("stands there already")));
        // Arrows go from one to the next.
        view.choose("clock");
        QTest::keyClick(&view, Qt::Key_Right);
        QCOMPARE(view.chosen(), std::string("tracks"));
        QTest::keyClick(&view, Qt::Key_Down);
        QCOMPARE(o.housing().slot(view.chosen())->row, 2);
    }

    void whatIsInUseStays() {
        Stocked o;
        CaseView& view = o.place().caseView();
        view.setFocus();
        view.choose("anchor");
        QTest::keyClick(&view, Qt::Key_Delete);
        QVERIFY(o.housing().slot("anchor"));
        QVERIFY(o.message().contains(QLatin1String("It stays")));
        view.choose("spray"); // nobody uses the noise
        QTest::keyClick(&view, Qt::Key_Delete);
        QVERIFY(!o.housing().slot("spray"));
        o.window.document().history().undo();
        QVERIFY(o.housing().slot("spray"));
    }

    void casesAreJoinedAndStackablesCounted() {
        Stocked o;
        const auto parts = o.window.document().patch().posts.size();
        answerInput({QStringLiteral("Tower case"), QStringLiteral("Both cases")});
        auto* cases = o.window.findChild<QComboBox*>(QStringLiteral("cases"));
        cases->setCurrentIndex(cases->count() - 2);
        Q_EMIT cases->activated(cases->currentIndex());
        EVENTUALLY_EQUAL(o.housing().name, std::string("Both cases"));
        QCOMPARE(o.window.document().patch().posts.size(), parts);
        QCOMPARE(o.kept("both-cases").joined.size(), std::size_t{2});
        auto* stackable = o.find<QSpinBox>(QStringLiteral("stackable"));
        QVERIFY(stackable);
        stackable->setFocus();
        stackable->setValue(6);
        QTest::keyClick(stackable, Qt::Key_Return);
        EVENTUALLY_EQUAL(o.kept("both-cases").stackable, 6);
        o.window.document().history().undo();
        QCOMPARE(o.kept("both-cases").stackable, 0);
        o.window.document().history().undo(); // back in the case it was in
        QCOMPARE(o.housing().name, std::string("Keeper's case"));
    }

    void aModuleIsAddedAndBorrowed() {
        Stocked o;
        answerDialog<QDialog>([](QDialog& dialog) {
            dialog.findChild<QLineEdit*>(QStringLiteral("find-module"))->setText(QStringLiteral("Tern level"));
        });
        QTest::mouseClick(o.find<QPushButton>(QStringLiteral("add-module")), Qt::LeftButton);
        EVENTUALLY(o.housing().slot("tern-level"));
        QCOMPARE(o.housing().slot("tern-level")->row, 1); // two HP are free there
        auto* from = o.find<QLineEdit>(QStringLiteral("borrowed-from"));
        from->setFocus();
        QTest::keyClicks(from, QStringLiteral("the studio"));
        QTest::keyClick(from, Qt::Key_Return);
        EVENTUALLY_EQUAL(QString::fromStdString(o.housing().slot("tern-level")->from), QStringLiteral("the studio"));
        QVERIFY(!o.housing().slot("tern-level")->since.empty());
        QCOMPARE(o.kept("keepers-case").slot("tern-level")->from, std::string("the studio"));
        const auto buttons = o.place().findChildren<QPushButton*>(QStringLiteral("in-list"));
        QVERIFY(std::ranges::any_of(buttons,
                                    [](QPushButton* b) { return b->text().contains(QLatin1String("the studio")); }));
        QTest::mouseClick(o.find<QPushButton>(QStringLiteral("bag")), Qt::LeftButton);
        EVENTUALLY(o.housing().slot("tern-level")->loose());
    }

    void cablesAreCounted() {
        Stocked o;
        auto* count = o.find<QSpinBox>(QStringLiteral("cables-80-black"));
        QVERIFY(count);
        QCOMPARE(count->value(), 4);
        count->setFocus();
        count->selectAll();
        QTest::keyClicks(count, QStringLiteral("9"));
        QTest::keyClick(count, Qt::Key_Return);
        EVENTUALLY_EQUAL(o.housing().cableCount(), 39);
        answerDialog<QDialog>([](QDialog& dialog) {
            dialog.findChild<QSpinBox*>(QStringLiteral("cable-length"))->setValue(120);
            dialog.findChild<QLineEdit*>(QStringLiteral("cable-colour"))->setText(QStringLiteral("white"));
        });
        QTest::mouseClick(o.find<QPushButton>(QStringLiteral("another-kind")), Qt::LeftButton);
        EVENTUALLY_EQUAL(o.housing().cableCount(), 44);
    }

    void aNewCaseTakesAnEmptyPatch() {
        Stocked o;
        o.window.document().startNew("keepers-case");
        answerDialog<QDialog>([](QDialog& dialog) {
            dialog.findChild<QLineEdit*>(QStringLiteral("case-name"))->setText(QStringLiteral("Boat case"));
            dialog.findChild<QSpinBox*>(QStringLiteral("case-rows"))->setValue(1);
        });
        auto* cases = qobject_cast<QComboBox*>(o.place().tool());
        Q_EMIT cases->activated(cases->count() - 1);
        QCOMPARE(o.window.document().patch().caseId, std::string("boat-case"));
        QCOMPARE(o.housing().rows, 1);
        QCOMPARE(o.kept("boat-case").name, std::string("Boat case"));
        QCOMPARE(cases->currentText(), QStringLiteral("Boat case"));
    }

    /// Another case: what is missing is said first, and nothing moves if somebody would rather stay.
    void aPatchGoesToAnotherCase() {
        Stocked o(QStringLiteral(LARIAT_SOURCE "/data/demo/kick.json"));
        auto* cases = qobject_cast<QComboBox*>(o.place().tool());
        const int keepers = cases->findData(QStringLiteral("keepers-case"));
        QString asked;
        answerQuestion(QStringLiteral("Leave it here"), &asked);
        Q_EMIT cases->activated(keepers);
        QTRY_VERIFY_WITH_TIMEOUT(asked.contains(QLatin1String("Clock")), 20000);
        QTRY_VERIFY(o.message().contains(QLatin1String("stays in Tower case")));
        QCOMPARE(o.window.document().patch().caseId, std::string("tower-case"));
        QCOMPARE(cases->currentData().toString(), QStringLiteral("tower-case"));
        const std::size_t before = o.window.document().patch().posts.size();
        answerQuestion(QStringLiteral("Move it without them"));
        Q_EMIT cases->activated(keepers);
        QTRY_COMPARE_WITH_TIMEOUT(o.window.document().patch().caseId, std::string("keepers-case"), 20000);
        QVERIFY(o.window.document().patch().posts.size() < before);
        o.window.document().history().undo();
        QCOMPARE(o.window.document().patch().caseId, std::string("tower-case"));
        QCOMPARE(o.window.document().patch().posts.size(), before);
    }

    /// What the other case has not, something there plays: said with its price, heard before, one step of the history.
    void whatIsMissingThereIsPlayedByAnother() {
        Stocked o(QStringLiteral(LARIAT_SOURCE "/data/demo/kick.json"));
        auto* cases = qobject_cast<QComboBox*>(o.place().tool());
        const std::size_t cables = o.window.document().patch().cables.size();
        QString asked;
        answerQuestion(QStringLiteral("Move it with these"), &asked);
        Q_EMIT cases->activated(cases->findData(QStringLiteral("keepers-case")));
        QTRY_COMPARE_WITH_TIMEOUT(o.window.document().patch().caseId, std::string("keepers-case"), 20000);
        QVERIFY2(asked.contains(QLatin1String("can be played by")) && asked.contains(QLatin1String("dB apart")),
                 qPrintable(asked));
        // One of its contours has nothing there that could play it, and one cable.
        QVERIFY(asked.contains(QLatin1String("Nothing there for: Level C.")));
        QCOMPARE(o.window.document().patch().cables.size(), cables - 1);
        o.window.document().history().undo();
        QCOMPARE(o.window.document().patch().caseId, std::string("tower-case"));
        // Changed while it was looking: nothing is put over that.
        Q_EMIT cases->activated(cases->findData(QStringLiteral("keepers-case")));
        o.window.document().turnKnob(
            o.window.document().patch().posts.front().id,
            o.window.document().library().part(o.window.document().patch().posts.front())->knobs.front().id, 0.0);
        QTRY_VERIFY_WITH_TIMEOUT(o.message().contains(QLatin1String("changed meanwhile")), 20000);
        QCOMPARE(o.window.document().patch().caseId, std::string("tower-case"));
    }

    /// A folder that cannot be written to: said, and the case is as it was.
    void aFullDiskChangesNothing() {
        Stocked o;
        QFile blocked(o.own.filePath(QStringLiteral("cases")));
        QVERIFY(blocked.open(QIODevice::WriteOnly)); // where the folder would be
        CaseView& view = o.place().caseView();
        view.setFocus();
        view.choose("spray");
        QTest::keyClick(&view, Qt::Key_Delete);
        QVERIFY(o.housing().slot("spray"));
        QVERIFY(!o.message().isEmpty());
        QVERIFY(!o.window.document().history().canUndo());
    }

    /// Packed in one window, opened in another that has nothing of it.
    void aBundleGoesFromWindowToWindow() {
        Stocked o;
        QVERIFY(o.window.document().changeCase(*withCables(o.housing(), 30, "blue", 77), QStringLiteral("count")));
        const QString bundle = o.folder.filePath(QStringLiteral("lamp.lariat-bundle"));
        answerFileDialog(bundle);
        o.window.findChild<QAction*>(QStringLiteral("save-bundle"))->trigger();
        QVERIFY2(QFile::exists(bundle), qPrintable(o.message()));
        Stocked other;
        answerFileDialog(bundle);
        other.window.findChild<QAction*>(QStringLiteral("open-bundle"))->trigger();
        QCOMPARE(other.window.document().patch().caseId, std::string("keepers-case-2"));
        QVERIFY(other.window.document().housing());
        QCOMPARE(other.window.document().housing()->cableCount(), 34 - 12 + 77);
        QVERIFY2(other.message().contains(QLatin1String("keepers-case is keepers-case-2 here")),
                 qPrintable(other.message()));
        QVERIFY(other.window.document().file().isEmpty());
        const Workspace there = loadWorkspace(dataFolder(), other.own.path().toStdString());
        QCOMPARE(there.cases.at("keepers-case-2").cableCount(), 34 - 12 + 77);
        // What is no bundle is said, and nothing is opened.
        const QString patch = other.folder.filePath(QStringLiteral("none.lariat"));
        QVERIFY(writeFile(patch.toStdString(), "none", FileKind::Document));
        answerFileDialog(patch);
        other.window.findChild<QAction*>(QStringLiteral("open-bundle"))->trigger();
        QVERIFY(other.message().contains(QLatin1String("no bundle")));
        QCOMPARE(other.window.document().patch().caseId, std::string("keepers-case-2"));
    }

    /// A module that this window has never seen comes with a patch: it plays here, while the old one played.
    void aBundleBringsItsModules() {
        Stocked o;
        ModuleDescription made = o.window.document().library().module("anchor-vco")->description;
        made.id = "made-vco";
        made.name = "Made VCO";
        QVERIFY(o.window.document().changeModule(*resolveModule(made), QStringLiteral("make")));
        Case housing = o.housing();
        Slot loose;
        loose.id = "made";
        loose.module = "made-vco";
        loose.row = 0; // in the bag
        loose.column = 0;
        housing.slots.push_back(loose);
        QVERIFY(o.window.document().changeCase(housing, QStringLiteral("exchange")));
        const QString bundle = o.folder.filePath(QStringLiteral("made.lariat-bundle"));
        answerFileDialog(bundle);
        o.window.findChild<QAction*>(QStringLiteral("save-bundle"))->trigger();
        QVERIFY2(QFile::exists(bundle), qPrintable(o.message()));
        Stocked other;
        other.window.sound().setRunning(true);
        QVERIFY(!other.window.document().library().module("made-vco"));
        answerFileDialog(bundle);
        other.window.findChild<QAction*>(QStringLiteral("open-bundle"))->trigger();
        QVERIFY2(other.window.document().library().module("made-vco"), qPrintable(other.message()));
        QCOMPARE(other.window.document().patch().cables.size(), o.window.document().patch().cables.size());
        QTRY_VERIFY(other.window.sound().engine().running());
    }

    /// Two windows change one case: the second is told, and nothing of the first is lost.
    void anotherWindowsChangeIsKept() {
        Stocked o;
        QVERIFY(o.window.document().changeCase(*withCables(o.housing(), 30, "blue", 50), QStringLiteral("count")));
        Case theirs = *withCables(o.housing(), 30, "blue", 60);
        QVERIFY(keepCase(theirs, o.own.path().toStdString()));
        QVERIFY(!o.window.document().changeCase(*withCables(o.housing(), 30, "blue", 70), QStringLiteral("count")));
        QVERIFY(o.message().contains(QLatin1String("Another window")));
        QCOMPARE(o.kept("keepers-case"), theirs);
    }

    void anEmptyPatchAndATowerAreShown() {
        Stocked o(QStringLiteral(LARIAT_SOURCE "/data/demo/night-watch.json"));
        QVERIFY(o.place().findChildren<LedgerCellButton*>().size() > 150);
        o.window.document().startNew("tower-case");
        EVENTUALLY(o.find<QLabel>(QStringLiteral("left-clock"))->text().startsWith(QLatin1String("1 free")));
    }

  private:
    QTemporaryDir settings_;
};

QTEST_MAIN(StockWindowTest)
#include "stock_window_test.moc"
