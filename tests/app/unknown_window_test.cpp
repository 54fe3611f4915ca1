// Knobs that nobody wrote down, through the real window: marked from the menu, narrowed down, counted at the head,
// asked for, and known again once somebody turns them.
#include "app/opened.h"
#include "building/nobody_knows.h"
#include "library/unknowns.h"

#include <QMenu>
#include <QScrollBar>

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

    /// A cable whose end nobody knows: noted while it plays, on the chart, saved, and gone once it is tied.
    void aCableWithAnOpenEndStandsOnTheChart() {
        Opened o;
        o.window.sound().setRunning(true);
        o.window.selection().choosePost("filter");
        answerFinder({QStringLiteral("Filter band-pass to nobody")});
        answerInput({QStringLiteral("the far box")});
        o.action(QStringLiteral("open-end"))->trigger();
        EVENTUALLY(o.patch().openEnds.size() == 1);
        QCOMPARE(o.patch().openEnds.front().written, std::string("the far box"));
        o.window.activateWindow();
        const auto open = [&]() -> const ChartRow* {
            const auto& rows = o.chart().chartLayout().rows;
            const auto at = std::ranges::find(rows, ChartRow::Kind::Open, &ChartRow::kind);
            return at == rows.end() ? nullptr : &*at;
        };
        EVENTUALLY(open() != nullptr);
        EVENTUALLY(head(o).contains(QLatin1String("one open end")));
        // What is painted there is no empty row, and a click on it chooses the jack that is known.
        const auto index = static_cast<int>(open() - o.chart().chartLayout().rows.data());
        o.chart().verticalScrollBar()->setValue(o.chart().verticalScrollBar()->maximum());
        const QRect place = o.chart().rowRect(index); // on the screen
        const QRect shown(o.chart().viewport()->mapFromGlobal(place.topLeft()), place.size());
        const QImage image = o.chart().viewport()->grab(shown).toImage();
        const auto has = [&](const QColor& colour) {
            for (int y = 0; y < image.height(); ++y)
                for (int x = 0; x < image.width(); ++x)
                    if (QColor(image.pixel(x, y)) == colour) return true;
            return false;
        };
        QVERIFY2(has(look().kind(SignalKind::Audio)) && has(look().ink), qPrintable(QString::number(place.width())));
        QTest::mouseClick(o.chart().viewport(), Qt::LeftButton, {}, shown.center());
        QCOMPARE(o.window.selection().chosen().jack, (JackRef{"filter", "band"}));
        const QString file = o.folder.filePath(QStringLiteral("open.lariat"));
        QVERIFY(o.window.document().saveAs(file));
        const Patch saved = o.patch();
        QVERIFY(o.window.openFile(file));
        QVERIFY(o.patch() == saved);
        // Tied by the line: the open end is gone, in one step of the history.
        o.place().tieLine().setText(QStringLiteral("filter band to mixer in 3"));
        QTest::keyClick(&o.place().tieLine(), Qt::Key_Return);
        QVERIFY(o.patch().openEnds.empty());
        QVERIFY(open() == nullptr);
        o.window.document().history().undo();
        QCOMPARE(o.patch().openEnds.size(), std::size_t{1});
        answerFinder({QStringLiteral("Filter band-pass")});
        o.action(QStringLiteral("close-open-end"))->trigger();
        QVERIFY(o.patch().openEnds.empty());
        o.action(QStringLiteral("close-open-end"))->trigger();
        QVERIFY(o.window.messages().text().contains(QLatin1String("No cable has an open end")));
    }

    void aPartThatNobodyKnowsIsKnownLater() {
        Opened o;
        answerInput({QStringLiteral("grey box")});
        o.action(QStringLiteral("unknown-part"))->trigger();
        EVENTUALLY(!o.window.selection().post().empty() && isUnknownPart(*o.patch().post(o.window.selection().post())));
        o.window.activateWindow();
        o.place().tieLine().setText(QStringLiteral("lfo triangle to grey box in; grey box out 1 to filter in 2"));
        QTest::keyClick(&o.place().tieLine(), Qt::Key_Return);
        EVENTUALLY(head(o).contains(QLatin1String("one unknown part")));
        const std::size_t cables = o.patch().cables.size();
        o.window.selection().choosePost(std::ranges::find(o.patch().posts, std::string("grey box"), &Post::name)->id);
        answerFinder({QString()});
        o.action(QStringLiteral("known-as"))->trigger();
        EVENTUALLY(std::ranges::none_of(o.patch().posts, isUnknownPart));
        QVERIFY(std::ranges::any_of(o.patch().posts, [](const Post& post) { return post.name == "grey box"; }));
        QCOMPARE(o.patch().cables.size() + o.patch().openEnds.size(), cables);
        o.window.document().history().undo();
        QVERIFY(std::ranges::any_of(o.patch().posts, isUnknownPart));
        // Only of such a part can that be said.
        o.window.selection().choosePost("filter");
        o.action(QStringLiteral("known-as"))->trigger();
        QVERIFY(o.window.messages().text().contains(QLatin1String("Choose a part that nobody knows")));
    }

    void stepsThatNobodyKnowsAreMarked() {
        Opened o;
        o.window.showPlace(QStringLiteral("time"));
        o.window.selection().chooseSteps({"tracks", false, 0}, {1, 2});
        o.action(QStringLiteral("unknown-steps"))->trigger();
        const auto step = [&](std::size_t i) { return o.patch().pattern("tracks")->tracks.front().steps[i]; };
        QVERIFY(!step(0).unknown && step(1).unknown && step(2).unknown);
        EVENTUALLY(head(o).contains(QLatin1String("2 steps unknown")));
        o.action(QStringLiteral("unknown-steps"))->trigger();
        QVERIFY(!step(1).unknown && !step(2).unknown);
        o.window.selection().chooseSteps({"tracks", true, 0}, {1});
        o.action(QStringLiteral("unknown-steps"))->trigger();
        QCOMPARE(o.patch().pattern("tracks")->lanes.front().hits[1], Hit::Unknown);
        o.window.selection().chooseSteps({}, {});
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
