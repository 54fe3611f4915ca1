// Findings in the window: cured with one click, and explained.
#include "app/opened.h"
#include "patch/findings_page.h"

using namespace lariat;
using namespace lariat::test;

namespace {

/// The card in the list of findings that says why nothing is heard.
QFrame* cardOf(Opened& o) {
    return o.place().findChild<FindingsPage*>()->findChild<QFrame*>(QStringLiteral("finding-no-sound"));
}

} // namespace

class FindingsWindowTest : public QObject {
    Q_OBJECT

  private Q_SLOTS:
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

    /// "Why?" opens the way to a finding, link by link with what is measured there, and shows its rows alone; a click
    /// on a link goes to it, Esc shows everything again, and the cure that stands above it cures.
    void theWayToAFindingIsShown() {
        Opened o;
        o.window.document().apply({RemoveCable{o.patch().cableInto(jackRef("tracks.clock"))->id}},
                                  QStringLiteral("untie"));
        EVENTUALLY(o.found("no-sound"));
        o.settle();
        o.action(QStringLiteral("panel-findings"))->trigger();
        QFrame* card = nullptr;
        EVENTUALLY((card = cardOf(o)) != nullptr && card->isVisible());
        auto* why = card->findChild<QLabel*>(QStringLiteral("why"));
        auto* walk = card->findChild<QWidget*>(QStringLiteral("walk"));
        QVERIFY(why && walk && !walk->isVisible());
        QTest::mouseClick(why, Qt::LeftButton, {}, QPoint(8, why->height() / 2));
        QVERIFY(walk->isVisible());
        QVERIFY(o.chart().showsPart());
        const Finding finding =
            *std::ranges::find(o.window.checker().findings(), std::string("no-sound"), &Finding::rule);
        const auto links = walk->findChildren<QLabel*>();
        QCOMPARE(static_cast<std::size_t>(links.size()), finding.walk.size());
        QVERIFY2(links.last()->text().contains(QLatin1String("0 pulses")), qPrintable(links.last()->text()));
        QTest::mouseClick(links.first(), Qt::LeftButton, {}, QPoint(12, 8));
        QCOMPARE(o.window.selection().cable(), finding.walk.front().cable);
        o.place().setFocus();
        QTest::keyClick(&o.place(), Qt::Key_Escape);
        QVERIFY(!o.chart().showsPart());
        o.action(QStringLiteral("panel-findings"))->trigger();
        EVENTUALLY((card = cardOf(o)) != nullptr && card->isVisible());
        QLabel* cure = nullptr;
        for (QLabel* label : card->findChildren<QLabel*>())
            if (!cure && label->text().contains(QStringLiteral("→"))) cure = label;
        QVERIFY(cure);
        QCoreApplication::processEvents(); // laid out
        const QString offered = cure->text();
        QTest::mouseClick(cure, Qt::LeftButton, {}, QPoint(30, 8));
        o.settle();
        QVERIFY2(o.patch().cableInto(jackRef("tracks.clock")), qPrintable(offered));
        EVENTUALLY(!o.found("no-sound"));
    }

    /// While the way is open, an undo changes the patch under it: nothing is left of it that leads nowhere.
    void theWayIsForgottenWithItsFinding() {
        Opened o;
        o.window.document().apply({RemoveCable{o.patch().cableInto(jackRef("tracks.clock"))->id}},
                                  QStringLiteral("untie"));
        EVENTUALLY(o.found("no-sound"));
        o.settle();
        o.action(QStringLiteral("panel-findings"))->trigger();
        QFrame* card = nullptr;
        EVENTUALLY((card = cardOf(o)) != nullptr && card->isVisible());
        QTest::mouseClick(card->findChild<QLabel*>(QStringLiteral("why")), Qt::LeftButton, {}, QPoint(8, 8));
        QVERIFY(o.chart().showsPart());
        // Something else is changed meanwhile: the card is made anew, and the way stays open.
        QVERIFY(o.window.document().apply({SetKnob{"filter", "cutoff", 700.0}}, QStringLiteral("turn")));
        o.settle();
        EVENTUALLY(cardOf(o) != nullptr && cardOf(o)->findChild<QWidget*>(QStringLiteral("walk"))->isVisible());
        QVERIFY(o.chart().showsPart());
        o.window.document().history().undo();
        o.window.document().history().undo();
        EVENTUALLY(!o.found("no-sound"));
        o.settle();
        EVENTUALLY(cardOf(o) == nullptr);
        EVENTUALLY(!o.chart().showsPart());
    }
};

QTEST_MAIN(FindingsWindowTest)
#include "findings_window_test.moc"
