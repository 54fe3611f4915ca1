// Moves by which a patch grows and is looked at: the menus, the hands on the chart, headings, what is shown alone.
#include "app/opened.h"
#include "library/tie.h"
#include "log/differences.h"
#include "shell/patch_dialog.h"
#include "widgets/finding_card.h"

#include <cmath>

using namespace lariat;
using namespace lariat::test;

namespace {

QString demoFile(const QString& name) {
    return QStringLiteral(LARIAT_SOURCE "/data/demo/%1.json").arg(name);
}

} // namespace

class MovesWindowTest : public QObject {
    Q_OBJECT

    QTemporaryDir settings_;

  private Q_SLOTS:
    void initTestCase() { prepareApplication(settings_); }

    void insertSplitSwapDouble() {
        Opened o;
        o.window.openCopy(demoFile(QStringLiteral("sync-lead")));
        const std::size_t cables = o.patch().cables.size();
        const auto row = [&](int n) { return o.patch().cables[static_cast<std::size_t>(n - 1)]; };

        const Cable first = row(1);
        o.window.selection().chooseCable(first.id);
        answerFinder({QStringLiteral("Ladder filter")});
        o.action(QStringLiteral("insert"))->trigger();
        QCOMPARE(o.patch().cables.size(), cables + 1);
        QCOMPARE(o.patch().cable(first.id)->to.post, o.window.selection().post());
        QCOMPARE(row(2).to, first.to);

        o.window.selection().chooseCable(first.id);
        answerFinder({QStringLiteral("in 2"), QStringLiteral("Stack")});
        o.action(QStringLiteral("split"))->trigger();
        QCOMPARE(o.patch().cables.size(), cables + 2);
        QCOMPARE(o.patch().cables.back().from.post.empty(), false);

        // Two rows chosen with the mouse and Ctrl, then swapped.
        const Cable a = row(3);
        const Cable b = row(4);
        o.window.selection().chooseCable(a.id);
        o.window.selection().alsoChoose(b.id);
        QCOMPARE(o.window.selection().cables().size(), std::size_t{2});
        o.action(QStringLiteral("swap"))->trigger();
        QCOMPARE(o.patch().cable(a.id)->to, b.to);
        QCOMPARE(o.patch().cable(b.id)->to, a.to);
        o.window.document().history().undo();

        o.window.selection().chooseCable(a.id);
        o.window.selection().alsoChoose(b.id);
        o.action(QStringLiteral("remove-cable"))->trigger();
        QCOMPARE(o.patch().cables.size(), cables);
        o.window.document().history().undo();

        const Post* voiced = nullptr;
        for (const Post& post : o.patch().posts)
            if (!post.voice.empty()) voiced = &post;
        QVERIFY(voiced);
        const std::size_t posts = o.patch().posts.size();
        o.window.selection().choosePost(voiced->id);
        answerInput({QStringLiteral("Second")});
        o.action(QStringLiteral("double-voice"))->trigger();
        QVERIFY2(o.patch().posts.size() > posts, qPrintable(o.window.messages().text()));
        QVERIFY(std::ranges::any_of(o.patch().cables, [](const Cable& cable) { return cable.voice == "Second"; }));
    }

    void anotherOfAKindAndWhatIsFree() {
        Opened o;
        o.window.openCopy(demoFile(QStringLiteral("sync-lead")));
        const std::size_t posts = o.patch().posts.size();
        answerFinder({QStringLiteral("VCA –")});
        o.action(QStringLiteral("another"))->trigger();
        QCOMPARE(o.patch().posts.size(), posts + 1);
        QVERIFY(workspace().library.part(o.patch().posts.back())->has("vca"));
        answerFinder({QStringLiteral("gangway")});
        o.action(QStringLiteral("find-part"))->trigger();
        QCOMPARE(o.patch().posts.size(), posts + 2);
    }

    void anEndIsDrawnElsewhere() {
        Opened o;
        const Cable cable = *o.patch().cableInto(jackRef("filter.in-1"));
        o.window.selection().chooseCable(cable.id);
        // From the filter's line to the mixer's, on the row that is chosen; its menu offers the free inputs.
        QTimer::singleShot(0, [] {
            if (auto* menu = qobject_cast<QMenu*>(QApplication::activePopupWidget())) {
                menu->actions().first()->trigger();
                menu->close();
            }
        });
        o.drag("filter", "mixer", cable.id);
        QCOMPARE(o.patch().cable(cable.id)->to.post, std::string("mixer"));
        QCOMPARE(o.patch().cable(cable.id)->from, cable.from);
        answerFinder({QStringLiteral("lfo saw")});
        o.action(QStringLiteral("move-start"))->trigger();
        QCOMPARE(o.patch().cable(cable.id)->from.text(), std::string("lfo.saw"));
    }

    void headingsFoldAndAreNamed() {
        Opened o;
        const Cable first = o.patch().cables.front();
        answerInput({QStringLiteral("Dawn · wake up")});
        o.window.selection().chooseCable(first.id);
        o.action(QStringLiteral("regroup"))->trigger();
        QCOMPARE(o.patch().cable(first.id)->voice, std::string("Dawn"));
        QCOMPARE(o.patch().cable(first.id)->step, std::string("wake up"));
        const auto rows = o.chart().chartLayout().rows.size();
        QTest::mouseClick(o.chart().viewport(), Qt::LeftButton, {},
                          QPoint(200, static_cast<int>(o.chart().chartLayout().headsHeight) + 12));
        QVERIFY(o.patch().heading("Dawn", "wake up"));
        QVERIFY(o.patch().heading("Dawn", "wake up")->folded);
        QVERIFY(o.chart().chartLayout().rows.size() < rows);
        const auto again = readPatch(writePatch(o.patch()));
        QVERIFY(again && again->heading("Dawn", "wake up")->folded);
    }

    /// The heading of the chosen row by its menu, from the keyboard: colour, fold, move.
    void aHeadingByItsMenu() {
        Opened o;
        const Cable first = o.patch().cables.front();
        const auto pick = [&](const QStringList& path) {
            o.window.selection().chooseCable(first.id);
            QTimer::singleShot(0, [path] {
                auto* menu = qobject_cast<QMenu*>(QApplication::activePopupWidget());
                QVERIFY(menu);
                QList<QAction*> actions = menu->actions();
                for (const QString& word : path)
                    for (QAction* action : actions)
                        if (action->text() == word) {
                            actions = action->menu() ? action->menu()->actions() : QList<QAction*>{};
                            if (!action->menu()) action->trigger();
                            break;
                        }
                menu->close();
            });
            o.action(QStringLiteral("heading"))->trigger();
        };
        pick({QStringLiteral("Colour"), QStringLiteral("Rust")});
        QVERIFY(o.patch().heading(first.voice, first.step));
        QCOMPARE(o.patch().heading(first.voice, first.step)->colour, std::string("rust"));
        pick({QStringLiteral("Fold")});
        QVERIFY(o.patch().heading(first.voice, first.step)->folded);
        pick({QStringLiteral("Unfold")});
        QVERIFY(!o.patch().heading(first.voice, first.step)->folded);
        pick({QStringLiteral("Move down")});
        QVERIFY(o.patch().cables.front().step != first.step);
        pick({QStringLiteral("Mute ") + QString::fromStdString(first.voice)});
        QVERIFY(o.window.sound().listening().voiceSilenced(first.voice));
    }

    void oneMoreWindowIsAskedFor() {
        Opened o;
        QSignalSpy wanted(&o.window, &MainWindow::newWindowWanted);
        o.action(QStringLiteral("new-window"))->trigger();
        QCOMPARE(wanted.count(), 1);
    }

    void pathVoiceAndRowByRow() {
        Opened o;
        const auto rows = [&] {
            return std::ranges::count_if(o.chart().chartLayout().rows,
                                         [](const ChartRow& row) { return row.kind == ChartRow::Kind::Cable; });
        };
        QCOMPARE(rows(), 21);
        o.window.selection().choosePost("lfo");
        o.action(QStringLiteral("only-path"))->trigger();
        QVERIFY(rows() > 0 && rows() < 21);
        QVERIFY(o.window.findChild<QPushButton*>(QStringLiteral("show-all"))->isVisible());
        QTest::keyClick(&o.chart(), Qt::Key_Escape);
        QCOMPARE(rows(), 21);

        o.window.selection().chooseCable(o.patch().cables[2].id);
        o.action(QStringLiteral("row-by-row"))->trigger();
        QCOMPARE(rows(), 3);
        const std::size_t few = o.window.sound().engine().blockCount();
        o.action(QStringLiteral("next-row"))->trigger();
        QCOMPARE(rows(), 4);
        QCOMPARE(o.window.selection().cable(), o.patch().cables[3].id);
        QVERIFY(o.place().steps().isVisible());
        // A row that is not there yet has no signal.
        QVERIFY(!o.window.sound().engine().tap(o.patch().cables.back().from) ||
                o.patch().cables.back().from.post == o.patch().cables[3].from.post);
        QTest::mouseClick(o.window.findChild<QPushButton*>(QStringLiteral("step-whole")), Qt::LeftButton);
        QCOMPARE(rows(), 21);
        QVERIFY(o.window.sound().engine().blockCount() > few); // the first rows ran by themselves
        QVERIFY(!o.action(QStringLiteral("row-by-row"))->isChecked());
        QCOMPARE(o.patch().cables.size(), std::size_t{21}); // nothing was lost
    }

    void findingsAreListedFilteredAndKept() {
        Opened o;
        o.action(QStringLiteral("panel-findings"))->trigger();
        FindingsPage& page = o.place().panel().findings();
        QCOMPARE(page.count(), 3);
        QVERIFY(page.voices().count() > 2);
        page.voices().setCurrentIndex(page.voices().findText(QStringLiteral("Kick")));
        Q_EMIT page.voices().activated(page.voices().currentIndex());
        QVERIFY(page.count() < 3);
        page.voices().setCurrentIndex(0);
        Q_EMIT page.voices().activated(0);
        // A fix is looked at before it is applied: the chart draws it, and nothing has changed.
        auto* card = page.findChild<FindingCard*>(QStringLiteral("finding-pitch-on-follower"));
        QVERIFY(card);
        const QImage before = o.chart().viewport()->grab().toImage();
        Q_EMIT card->fixLookedAt(0);
        QVERIFY(o.chart().viewport()->grab().toImage() != before);
        QVERIFY(!o.window.document().history().canUndo());
        Q_EMIT card->fixLookedAt(-1);
        // Kept with a reason, which the patch remembers.
        answerInput({QStringLiteral("I like the colour")});
        Q_EMIT card->dismissed();
        QCOMPARE(o.patch().dismissals.size(), std::size_t{1});
        o.settle();
        EVENTUALLY(!o.found("pitch-on-follower"));
        EVENTUALLY(page.findChild<FindingCard*>(QStringLiteral("kept-pitch-on-follower")));
        Q_EMIT page.findChild<FindingCard*>(QStringLiteral("kept-pitch-on-follower"))->restored();
        EVENTUALLY(o.found("pitch-on-follower"));
    }

    void nonsenseChangesNothing() {
        Opened o;
        const Patch before = o.patch();
        QGuiApplication::clipboard()->setText(QStringLiteral("lfo saw to follower pwm\nlfo sine to nowhere at all"));
        o.place().tieLine().setFocus();
        QTest::keySequence(&o.place().tieLine(), QKeySequence::Paste);
        QCOMPARE(o.patch(), before); // all of them or none
        QVERIFY2(o.window.messages().text().contains(QLatin1String("sentence 2")),
                 qPrintable(o.window.messages().text()));
        QGuiApplication::clipboard()->setText(QStringLiteral("what is this"));
        o.window.selection().choosePost("filter");
        o.action(QStringLiteral("paste-settings"))->trigger();
        QCOMPARE(o.patch(), before);
        o.window.selection().chooseCable(o.patch().cables.front().id);
        o.action(QStringLiteral("swap"))->trigger();
        QCOMPARE(o.patch(), before);
        QVERIFY(o.window.messages().text().contains(QLatin1String("two rows")));
    }

    /// Corners of a contour's picture are drawn, and its knobs follow; the whole movement is one step.
    void contoursAreDrawn() {
        Opened o;
        o.window.selection().choosePost("contour-1");
        QCoreApplication::processEvents();
        auto* picture = o.place().inspector().findChild<EnvelopePicture*>(QStringLiteral("envelope"));
        QVERIFY(picture);
        // It is drawn over the gate that it really gets.
        EVENTUALLY_OR(std::abs(picture->shape().gate - 0.062) < 0.004,
                      qPrintable(QString::number(picture->shape().gate)));
        const int steps = o.window.document().history().index();
        const double before = o.patch().post("contour-1")->knobs.at("attack");
        const QPoint attack = picture->corner(EnvelopePicture::Corner::Attack).toPoint();
        QTest::mousePress(picture, Qt::LeftButton, {}, attack);
        QTest::mouseMove(picture, attack + QPoint(10, 0));
        QTest::mouseMove(picture, attack + QPoint(30, 0));
        QTest::mouseRelease(picture, Qt::LeftButton, {}, attack + QPoint(30, 0));
        QVERIFY(o.patch().post("contour-1")->knobs.at("attack") > before + 0.005);
        QCOMPARE(o.window.document().history().index(), steps + 1);
        picture = o.place().inspector().findChild<EnvelopePicture*>(QStringLiteral("envelope"));
        const QPoint decay = picture->corner(EnvelopePicture::Corner::Decay).toPoint();
        const double sustain = o.patch().post("contour-1")->knobs.at("sustain");
        QTest::mousePress(picture, Qt::LeftButton, {}, decay);
        QTest::mouseMove(picture, decay + QPoint(0, 15));
        QTest::mouseRelease(picture, Qt::LeftButton, {}, decay + QPoint(0, 15));
        QVERIFY(o.patch().post("contour-1")->knobs.at("sustain") < sustain - 5.0);
    }
};

QTEST_MAIN(MovesWindowTest)
#include "moves_window_test.moc"
