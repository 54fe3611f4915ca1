// The whole way by mouse and keys: a new case, a module made and calibrated for it, a recipe planned there with a
// stand-in, settings found, built into the patch, gone through row by row, and taken apart again.
#include "app/opened.h"
#include "plan/plan_place.h"
#include "stock/maker_page.h"
#include "stock/stock_place.h"

#include <QLineEdit>
#include <QListWidget>
#include <QSpinBox>
#include <QTableWidget>

using namespace lariat;
using namespace lariat::test;

namespace {

/// The window on an empty patch in that case, with a folder of the user's own.
struct Empty {
    QTemporaryDir own;
    QTemporaryDir folder;
    MainWindow window;

    explicit Empty(const char* housing)
        : window(loadWorkspace(dataFolder(), own.path().toStdString()), allPlaces(),
                 folder.filePath(QStringLiteral("u"))) {
        window.document().startNew(housing);
        window.sound().openDevice(QString::fromLatin1(kSimulatedDevice));
        window.show();
        QVERIFY(QTest::qWaitForWindowExposed(&window));
        window.activateWindow();
    }
};

} // namespace

class WholeWayTest : public QObject {
    Q_OBJECT

  private Q_SLOTS:
    void initTestCase() { prepareApplication(settings_); }

    void fromAnEmptyCaseToAPutBackList() {
        Empty o("keepers-case");
        MainWindow& window = o.window;
        const auto press = [&](QWidget* in, const char* name) {
            auto* button = in->findChild<QAbstractButton*>(QString::fromLatin1(name));
            QVERIFY2(button && button->isVisible() && button->isEnabled(), name);
            QTest::mouseClick(button, Qt::LeftButton);
            QCoreApplication::processEvents();
        };

        // A new case.
        window.showPlace(QStringLiteral("stock"));
        auto& stock = *dynamic_cast<StockPlace*>(window.place(QStringLiteral("stock")));
        answerDialog<QDialog>([](QDialog& dialog) {
            dialog.findChild<QLineEdit*>(QStringLiteral("case-name"))->setText(QStringLiteral("Boat case"));
            dialog.findChild<QSpinBox*>(QStringLiteral("case-rows"))->setValue(2);
        });
        auto* cases = qobject_cast<QComboBox*>(stock.tool());
        cases->setFocus();
        Q_EMIT cases->activated(cases->count() - 1);
        QCOMPARE(window.document().patch().caseId, std::string("boat-case"));

        // An oscillator is made for it.
        answerDialog<QDialog>([](QDialog& dialog) { dialog.findChild<QListWidget*>()->setCurrentRow(0); });
        press(&stock, "make-module");
        MakerPage& maker = stock.maker();
        EVENTUALLY(maker.active());
        maker.lines().setFocus();
        QTest::keyClick(&maker.lines(), Qt::Key_A, Qt::ControlModifier);
        maker.lines().insertPlainText(QStringLiteral("module Boat osc\n"
                                                     "8 HP, 40 mA on +12 V, 40 mA on -12 V\n"
                                                     "part Boat osc\n"
                                                     "vco is a vco\n"
                                                     "all jacks and knobs\n"
                                                     "main octave, fine\n"));
        EVENTUALLY(maker.faultText().isEmpty() && maker.stand()->document.library().module("boat-osc"));
        press(&maker, "maker-keep");
        press(&maker, "maker-back");

        // It stands in the case with a few others, but no VCA.
        for (const char* module :
             {"Boat osc", "Mussel gates", "Lantern contours", "Bosun clock", "Watch tracks", "Harbour out"}) {
            answerDialog<QDialog>([module](QDialog& dialog) {
                dialog.findChild<QLineEdit*>(QStringLiteral("find-module"))->setText(QString::fromLatin1(module));
            });
            press(&stock, "add-module");
            EVENTUALLY(std::ranges::any_of(window.document().housing()->slots, [&](const Slot& slot) {
                return window.document().library().module(slot.module)->description.name == module;
            }));
        }
        for (const Slot& slot : window.document().housing()->slots) QVERIFY(!slot.loose());

        // Its fine tune is calibrated by reading.
        const auto slot = std::ranges::find(window.document().housing()->slots, "boat-osc", &Slot::module);
        stock.caseView().choose(slot->id);
        window.document().touch();
        QCoreApplication::processEvents();
        press(&stock, "calibrate-knob");
        auto* menu = window.findChild<QMenu*>(QStringLiteral("knobs-menu"));
        QVERIFY(menu);
        const auto actions = menu->actions();
        const auto fine =
            std::ranges::find_if(actions, [](QAction* one) { return one->text() == QLatin1String("Fine"); });
        QVERIFY(fine != actions.end());
        (*fine)->trigger();
        auto* dialog = window.findChild<QDialog*>(QStringLiteral("calibrate-dialog"));
        QVERIFY(dialog);
        auto* table = dialog->findChild<QTableWidget*>();
        for (const auto& [row, text] : {std::pair(0, "-5 st"), std::pair(2, "0.3 st"), std::pair(4, "5.6 st")})
            table->item(row, 1)->setText(QString::fromLatin1(text));
        press(dialog, "calibrate-take");
        const KnobInfo* knob = window.document().library().module("boat-osc")->parts[0].knob("fine");
        QVERIFY(knob->scale.marks.size() > 2);

        // A kick is planned: no VCA is there, a low-pass gate stands in.
        window.showPlace(QStringLiteral("plan"));
        auto& plan = *dynamic_cast<PlanPlace*>(window.place(QStringLiteral("plan")));
        const auto settle = [&] {
            QCoreApplication::processEvents();
            EVENTUALLY(plan.settled());
            QCoreApplication::processEvents();
        };
        settle();
        plan.recipes().field().setFocus();
        QTest::keyClicks(&plan.recipes().field(), QStringLiteral("two contours"));
        plan.showRecipe("kick-two-contours");
        settle();
        QVERIFY2(plan.plan(), qPrintable(plan.shownText()));
        const auto& castings = plan.plan()->allotment.castings;
        const auto vca =
            std::ranges::find_if(castings, [](const Casting& one) { return one.seat->provider->standsIn(); });
        QVERIFY(vca != castings.end());
        QCOMPARE(vca->seat->module, std::string("mussel-gates"));
        QVERIFY(plan.shownText().contains(QLatin1String("low-pass gate")));
        const auto osc =
            std::ranges::find_if(castings, [](const Casting& one) { return one.seat->module == "boat-osc"; });
        QVERIFY(osc != castings.end());

        // Settings are found, and built in as one step.
        press(&plan, "find-settings");
        settle();
        press(&plan, "into-patch");
        const auto rows = static_cast<int>(window.document().patch().cables.size());
        QVERIFY(rows > 5);
        settle();
        EVENTUALLY(window.sound().engine().meters.peakLeft.load() > 0.05f);

        // Row by row with the case in front, then all of it back into the bag.
        window.findChild<QAction*>(QStringLiteral("build-with-me-action"))->trigger();
        BuildPage& build = plan.build();
        QVERIFY(build.active());
        QVERIFY(build.text().contains(QLatin1String("Boat osc")) || build.steps() == rows);
        for (int row = 0; row < rows; ++row) QTest::keyClick(&build, Qt::Key_Right);
        QVERIFY(!build.active());
        window.findChild<QAction*>(QStringLiteral("take-apart"))->trigger();
        QVERIFY(build.active());
        for (int row = 0; row < rows && build.active(); ++row) QTest::keyClick(&build, Qt::Key_Right);
        QVERIFY(!build.active());
        // Undone: the kick, the calibration, the modules; what was made stays in the folder.
        while (window.document().history().canUndo()) window.document().history().undo();
        QVERIFY(window.document().patch().cables.empty());
        QVERIFY(window.document().library().module("boat-osc")->parts[0].knob("fine")->scale.marks.empty());
        QVERIFY(loadWorkspace(dataFolder(), o.own.path().toStdString()).library.module("boat-osc"));
    }

    /// A few words instead of a recipe.
    void aWishInAFewWordsIsPlannedAndHeard() {
        Empty o("tower-case");
        MainWindow& window = o.window;
        window.showPlace(QStringLiteral("plan"));
        auto& plan = *dynamic_cast<PlanPlace*>(window.place(QStringLiteral("plan")));
        const auto settle = [&] {
            QCoreApplication::processEvents();
            EVENTUALLY(plan.settled());
            QCoreApplication::processEvents();
        };
        settle();
        QLineEdit& wish = plan.recipes().wish();
        wish.setFocus();
        QTest::keyClicks(&wish, QStringLiteral("2 vcq, filter"));
        QTest::keyClick(&wish, Qt::Key_Return);
        QVERIFY(window.messages().text().contains(QLatin1String("near: vca, vco")));
        QCOMPARE(wish.text(), QStringLiteral("2 vcq, filter")); // the words stay
        QTest::keyClick(&wish, Qt::Key_A, Qt::ControlModifier);
        QTest::keyClicks(&wish, QStringLiteral("2 vco, filter, vca, contour for filter and vca, lfo slow to pwm"));
        QTest::keyClick(&wish, Qt::Key_Return);
        settle();
        QCOMPARE(plan.recipes().chosen(), std::string("wish"));
        QVERIFY2(plan.plan(), qPrintable(plan.shownText()));
        QTest::mouseClick(plan.findChild<QAbstractButton*>(QStringLiteral("into-patch")), Qt::LeftButton);
        QVERIFY(window.document().patch().cables.size() >= 6);
        EVENTUALLY(window.sound().engine().meters.peakLeft.load() > 0.02f);
    }

  private:
    QTemporaryDir settings_;
};

QTEST_MAIN(WholeWayTest)
#include "whole_way_test.moc"
