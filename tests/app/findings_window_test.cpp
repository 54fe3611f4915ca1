// Findings in the window: cured with one click, and explained.
#include "app/opened.h"
#include "patch/findings_page.h"

using namespace lariat;
using namespace lariat::test;

namespace {

/// The card in the list of findings that says why nothing is heard; nullptr if it is not shown.
QFrame* cardOf(Opened& o) {
    auto* card = o.place().panel().findings().findChild<QFrame*>(QStringLiteral("finding-no-sound"));
    return card && card->isVisible() ? card : nullptr;
}
QLabel* labelIn(QFrame* card, const char* name) {
    return card ? card->findChild<QLabel*>(QLatin1String(name)) : nullptr;
}
/// The rows are shown to which the way leads, and the links of the way are listed.
bool wayIsOpen(Opened& o) {
    return o.chart().showsPart() && labelIn(cardOf(o), "walk-0");
}

/// The demo with nothing in the sequencer's clock: silent, and said to be so in the list of findings.
struct Silent : Opened {
    Silent() {
        const int clock = patch().cableInto(jackRef("tracks.clock"))->id;
        QVERIFY(window.document().apply({RemoveCable{clock}}, QStringLiteral("untie")));
        EVENTUALLY(found("no-sound"));
        settle();
        action(QStringLiteral("panel-findings"))->trigger();
        EVENTUALLY(cardOf(*this));
    }
    void askWhy() {
        QTest::mouseClick(labelIn(cardOf(*this), "why"), Qt::LeftButton, {}, QPoint(8, 8));
        QCoreApplication::processEvents();
    }
    [[nodiscard]] Finding finding() {
        return *std::ranges::find(window.checker().findings(), std::string("no-sound"), &Finding::rule);
    }
};

} // namespace

class FindingsWindowTest : public QObject {
    Q_OBJECT

  private Q_SLOTS:
    void initTestCase() { prepareApplication(settings_); }

    void everyFindingCanBeFixedWithOneClick() {
        Opened o;
        for (const char* rule : {"zero-attenuator", "pitch-on-follower", "sustain-not-reached"}) {
            QVERIFY(o.found(rule));
            o.window.selection().chooseCable(
                std::ranges::find(o.window.checker().findings(), std::string(rule), &Finding::rule)->cable);
            QTest::mouseClick(o.chart().viewport(), Qt::LeftButton, {}, o.chart().fixPoint(rule));
            o.settle();
            QVERIFY2(!o.found(rule), rule);
        }
        QVERIFY(o.window.checker().findings().empty());
    }

    /// "Why?" lists the way to a finding, link by link with what is measured there, and shows its rows alone; a click
    /// on a link goes to it, Esc shows everything again, and the cure that stands above it cures.
    void theWayToAFindingIsShown() {
        Silent o;
        QVERIFY(!labelIn(cardOf(o), "walk-0"));
        o.askWhy();
        QVERIFY(wayIsOpen(o));
        const Finding finding = o.finding();
        const std::string last = "walk-" + std::to_string(finding.walk.size() - 1);
        QVERIFY(labelIn(cardOf(o), last.c_str()));
        QVERIFY(labelIn(cardOf(o), last.c_str())->text().contains(QLatin1String("0 pulses")));
        QTest::mouseClick(labelIn(cardOf(o), "walk-1"), Qt::LeftButton, {}, QPoint(24, 8));
        QCOMPARE(o.window.selection().cable(), finding.walk[1].cable);
        QVERIFY(wayIsOpen(o));
        o.askWhy(); // once more closes it
        QVERIFY(!o.chart().showsPart() && !labelIn(cardOf(o), "walk-0"));
        o.askWhy();
        o.place().setFocus();
        QTest::keyClick(&o.place(), Qt::Key_Escape);
        QVERIFY(!o.chart().showsPart());
        QVERIFY(!labelIn(cardOf(o), "walk-0"));
        QLabel* cure = nullptr;
        for (QLabel* label : cardOf(o)->findChildren<QLabel*>())
            if (!cure && label->text().contains(QStringLiteral("→"))) cure = label;
        QVERIFY(cure);
        const QString offered = cure->text();
        QCoreApplication::processEvents(); // laid out
        QTest::mouseClick(cure, Qt::LeftButton, {}, QPoint(30, 8));
        o.settle();
        QVERIFY2(o.patch().cableInto(jackRef("tracks.clock")), qPrintable(offered));
        EVENTUALLY(!o.found("no-sound"));
    }

    void itIsAskedWithoutAMouse() {
        Silent o;
        QLabel* why = labelIn(cardOf(o), "why");
        why->setFocus();
        QTest::keyClick(why, Qt::Key_Tab); // to the link in it
        QTest::keyClick(why, Qt::Key_Return);
        QCoreApplication::processEvents();
        QVERIFY(wayIsOpen(o));
    }

    /// At what is chosen, the same link leads to the list.
    void itIsAskedAtThePostToo() {
        Silent o;
        o.window.selection().choosePost("tracks");
        o.action(QStringLiteral("panel-chosen"))->trigger();
        QLabel* why = nullptr;
        EVENTUALLY((why = o.place().inspector().findChild<QLabel*>(QStringLiteral("why"))) != nullptr);
        QTest::mouseClick(why, Qt::LeftButton, {}, QPoint(8, 8));
        EVENTUALLY(wayIsOpen(o));
    }

    /// Something else is changed, while it plays and the way is open: the card is made anew, and the way stays. With
    /// its finding it goes, whatever page is shown; nothing is left on the chart that leads nowhere.
    void theWayIsForgottenWithItsFinding() {
        Silent o;
        o.askWhy();
        QVERIFY(o.window.document().apply({SetKnob{"filter", "cutoff", 700.0}}, QStringLiteral("turn")));
        o.settle();
        EVENTUALLY(wayIsOpen(o));
        o.action(QStringLiteral("panel-chosen"))->trigger();
        o.window.document().history().undo();
        o.window.document().history().undo();
        EVENTUALLY(!o.found("no-sound"));
        EVENTUALLY(!o.chart().showsPart());
    }

    /// Another document knows nothing of the way, though it may have the same finding at the same place.
    void anotherDocumentHasNoWay() {
        Silent o;
        const QString file = o.folder.filePath(QStringLiteral("silent.json"));
        QVERIFY(o.window.document().saveAs(file));
        o.askWhy();
        QVERIFY(wayIsOpen(o));
        QVERIFY(o.window.openFile(file));
        o.settle();
        EVENTUALLY(cardOf(o));
        QVERIFY(!o.chart().showsPart());
        QVERIFY(!labelIn(cardOf(o), "walk-0"));
        o.askWhy();
        QVERIFY(wayIsOpen(o));
    }

    /// A check ends while the question about another finding is open: the answer is for the one that was asked about.
    void aCheckEndsUnderTheQuestion() {
        Silent o;
        o.askWhy();
        QTimer::singleShot(50, &o.window, [&] {
            QVERIFY(o.window.document().apply({SetKnob{"filter", "cutoff", 900.0}}, QStringLiteral("turn")));
        });
        QTimer::singleShot(1500, &o.window, [] {
            auto* dialog = qobject_cast<QInputDialog*>(QApplication::activeModalWidget());
            QVERIFY(dialog);
            dialog->setTextValue(QStringLiteral("a drone piece"));
            dialog->accept();
        });
        for (QLabel* label : cardOf(o)->findChildren<QLabel*>())
            if (label->text().contains(QLatin1String("Keep it as it is"))) {
                QTest::mouseClick(label, Qt::LeftButton, {}, QPoint(20, 8));
                break;
            }
        o.settle();
        QVERIFY(!o.patch().dismissals.empty());
        QCOMPARE(o.patch().dismissals.front().rule, std::string("no-sound"));
        EVENTUALLY(!o.found("no-sound"));
        EVENTUALLY(!o.chart().showsPart());
    }

  private:
    QTemporaryDir settings_;
};

QTEST_MAIN(FindingsWindowTest)
#include "findings_window_test.moc"
