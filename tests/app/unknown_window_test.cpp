// Knobs that nobody wrote down, through the real window: marked from the menu, narrowed down, counted at the head,
// asked for, and known again once somebody turns them.
#include "app/opened.h"
#include "library/unknowns.h"

#include <QMenu>

using namespace lariat;
using namespace lariat::test;

namespace {

/// Presses an entry of a knob's menu.
void choose(Opened& o, Knob* knob, const QString& entry) {
    const QPoint at = knob->rect().center();
    QContextMenuEvent event(QContextMenuEvent::Mouse, at, knob->mapToGlobal(at));
    QApplication::sendEvent(knob, &event);
    auto* menu = o.window.findChild<QMenu*>(QStringLiteral("knob-menu"));
    QVERIFY(menu);
    for (QAction* action : menu->actions())
        if (action->text() == entry) {
            action->trigger();
            menu->close();
            QCoreApplication::sendPostedEvents(nullptr, QEvent::DeferredDelete);
            return;
        }
    QFAIL(qPrintable(entry));
}

QString head(Opened& o) {
    for (auto* label : o.window.findChildren<QLabel*>())
        if (label->text().contains(QLatin1String("of 34 cables"))) return label->text();
    return {};
}

} // namespace

class UnknownWindowTest : public QObject {
    Q_OBJECT

  private Q_SLOTS:
    void initTestCase() { prepareApplication(settings_); }

    void aKnobIsMarkedNarrowedAndKnown() {
        Opened o;
        o.window.selection().choosePost("filter");
        Knob* knob = nullptr;
        EVENTUALLY((knob = o.place().inspector().knob("cutoff")) != nullptr);
        const QImage before = knob->grab().toImage();
        const double value = knob->value();
        choose(o, knob, QStringLiteral("Nobody knows where it stands"));
        EVENTUALLY(o.place().inspector().knob("cutoff")->unknown());
        knob = o.place().inspector().knob("cutoff");
        QVERIFY(o.patch().post("filter")->unknown.contains("cutoff"));
        QCOMPARE(knob->value(), value); // it is tried where it stood
        QVERIFY(knob->accessibleDescription().startsWith(QLatin1String("unknown")));
        QVERIFY(knob->grab().toImage() != before);
        QVERIFY2(head(o).contains(
                     QStringLiteral("1 of %1 knobs unknown").arg(knobCount(o.patch(), o.window.document().library()))),
                 qPrintable(head(o)));
        // What is not two places is refused; two places move the guess between them.
        answerInput({QStringLiteral("soon")});
        choose(o, knob, QStringLiteral("It stands between…"));
        QVERIFY(o.window.messages().text().contains(QLatin1String("says nothing")));
        answerInput({QStringLiteral("3:00 and 5:00")});
        choose(o, o.place().inspector().knob("cutoff"), QStringLiteral("It stands between…"));
        EVENTUALLY_EQUAL(clockHand(knob->scale().toFraction(o.place().inspector().knob("cutoff")->value())),
                         std::string("4:00"));
        o.window.document().history().undo();
        QVERIFY(!o.patch().post("filter")->unknown.at("cutoff").low);
        o.window.document().history().redo();
        // By a sentence, a switch; saved and opened again, all of it is there.
        o.place().tieLine().setText(QStringLiteral("contour 1 type unknown"));
        QTest::keyClick(&o.place().tieLine(), Qt::Key_Return);
        QCOMPARE(unknownsOf(o.patch(), o.window.document().library()).size(), std::size_t{2});
        const QString file = o.folder.filePath(QStringLiteral("unknown.lariat"));
        QVERIFY(o.window.document().saveAs(file));
        const Patch saved = o.patch();
        QVERIFY(o.window.openFile(file));
        QVERIFY(o.patch() == saved);
        o.window.selection().choosePost("contour-1");
        QComboBox* type = nullptr;
        EVENTUALLY((type = o.place().findChild<QComboBox*>(QStringLiteral("switch-type"))) != nullptr &&
                   type->currentText().startsWith(QLatin1String("? ")));
        // A hand on it makes it known.
        o.window.selection().choosePost("filter");
        EVENTUALLY((knob = o.place().inspector().knob("cutoff")) != nullptr && knob->unknown());
        knob->setFocus();
        QTest::keyClick(knob, Qt::Key_Up);
        EVENTUALLY(!o.place().inspector().knob("cutoff")->unknown());
        QVERIFY(o.patch().post("filter")->unknown.empty());
    }

    void theOneThatTellsMostIsAskedFor() {
        Opened o;
        o.action(QStringLiteral("ask-unknown"))->trigger();
        QVERIFY(o.window.messages().text().contains(QLatin1String("Nothing is unknown")));
        QVERIFY(o.window.document().apply(
            {SetUnknown{"filter", "cutoff", Unknown{}}, SetUnknown{"contour-1", "release", Unknown{0.2, 0.21}}},
            QStringLiteral("mark")));
        o.action(QStringLiteral("ask-unknown"))->trigger();
        EVENTUALLY(o.window.messages().text().contains(QLatin1String("Look at Cutoff")));
        QCOMPARE(o.window.selection().post(), std::string("filter"));
        // Another document while it is asked: nothing is said of the old one.
        o.action(QStringLiteral("ask-unknown"))->trigger();
        o.window.openCopy(QStringLiteral(LARIAT_SOURCE "/data/demo/kick.json"));
        o.settle();
        QVERIFY(o.window.selection().post() != "filter" || o.patch().post("filter"));
    }

  private:
    QTemporaryDir settings_;
};

QTEST_MAIN(UnknownWindowTest)
#include "unknown_window_test.moc"
