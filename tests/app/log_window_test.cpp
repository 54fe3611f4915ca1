// The Log by mouse and keys: takes are kept while everything goes on, told apart, brought over, heard blind, gone back
// to.
#include "app/opened.h"
#include "log/both_chart.h"
#include "log/choose_takes.h"
#include "log/log_place.h"
#include "model/file.h"
#include "shell/rail.h"
#include "widgets/blind_dialog.h"

#include <QDialogButtonBox>
#include <QMenu>

#include <fstream>

using namespace lariat;
using namespace lariat::test;

namespace {

LogPlace& logOf(Opened& o) {
    return *dynamic_cast<LogPlace*>(o.window.place(QStringLiteral("log")));
}

/// Presses F6 and waits until the take is written.
std::int64_t keep(Opened& o) {
    const auto before = o.window.log().book() ? o.window.log().book()->list()->size() : 0;
    QTest::keyClick(&o.window, Qt::Key_F6);
    const auto written = [&] { return o.window.log().book() && o.window.log().book()->list()->size() == before + 1; };
    if (!written()) qFatal("no take: %s", qPrintable(o.window.log().problem())); // it is there at once
    if (!QTest::qWaitFor([&] { return !o.window.log().keeping(); }, kPatience)) qFatal("no sound");
    return o.window.log().book()->list()->front().id;
}

void turn(Opened& o, const char* post, const char* knob, double value) {
    QVERIFY(o.window.document().apply({SetKnob{post, knob, value}}, QStringLiteral("turn")));
}

QPushButton* button(Opened& o, const char* name) {
    return logOf(o).findChild<QPushButton*>(QString::fromLatin1(name));
}

QPoint middleOf(LogPlace& log, std::int64_t id) {
    const QModelIndex index = log.model().index(log.model().rowOf(id));
    log.takes().scrollTo(index);
    return log.takes().visualRect(index).center();
}

} // namespace

class LogWindowTest : public QObject {
    Q_OBJECT

    QTemporaryDir settings_;

  private Q_SLOTS:
    void initTestCase() { prepareApplication(settings_); }

    /// It is in the log before its sound is made: whoever leaves right away has it.
    void aTakeIsThereAtOnce() {
        const QTemporaryDir own;
        {
            Opened o(own.path());
            QTest::keyClick(&o.window, Qt::Key_F6);
            QTest::keyClick(&o.window, Qt::Key_F6);       // twice in a row
            o.window.document().startNew("keepers-case"); // another patch meanwhile
        }
        const auto log = Logbook::open(own.filePath(QStringLiteral("log.sqlite")).toStdString());
        QVERIFY(log);
        QCOMPARE(log->list()->size(), std::size_t{2});
        QVERIFY(log->take(1)->patch == demo("lamp.json") && log->check());
    }

    /// One key, in another place, while it plays; then it is written on, and found by what was written.
    void aTakeIsKeptWhileItPlays() {
        const QTemporaryDir own;
        Opened o(own.path());
        o.window.sound().setRunning(true);
        o.window.showPlace(QStringLiteral("time"));
        const Patch asItWas = o.patch();
        const auto frames = o.window.sound().engine().meters.frames.load();
        const std::int64_t first = keep(o);
        EVENTUALLY(o.window.sound().engine().meters.frames.load() > frames);
        const Take take = *o.window.log().book()->take(first);
        QVERIFY(take.patch == asItWas);
        QVERIFY(take.hasSound && take.figures.contains("level") && take.figures.contains("findings"));
        QVERIFY(o.window.document().history().isClean()); // the patch itself is untouched
        QVERIFY(o.window.log().isKept());
        // A knob turned: not kept any more; the next take comes from the first.
        turn(o, "filter", "cutoff", 655.0);
        QVERIFY(!o.window.log().isKept());
        const std::int64_t second = keep(o);
        QCOMPARE(o.window.log().book()->take(second)->parent, first);

        QTest::keyClick(&o.window, Qt::Key_7, Qt::ControlModifier);
        LogPlace& log = logOf(o);
        EVENTUALLY(log.isVisible() && log.model().rowCount() == 3);
        QTest::mouseClick(log.takes().viewport(), Qt::LeftButton, {}, middleOf(log, second));
        QVERIFY2(log.shownText().contains(QStringLiteral("Filter Cutoff -71 minutes|1480 Hz → 655 Hz")),
                 qPrintable(log.shownText()));
        QVERIFY(log.shownText().contains(QLatin1String("duller by")));
        // Written on it, by keys.
        auto* name = log.findChild<QLineEdit*>(QStringLiteral("take-name"));
        name->setFocus();
        QTest::keyClicks(name, QStringLiteral("darker"));
        auto* tags = log.findChild<QLineEdit*>(QStringLiteral("take-tags"));
        tags->setFocus();
        QTest::keyClicks(tags, QStringLiteral("lead slow"));
        auto* notes = log.findChild<QPlainTextEdit*>(QStringLiteral("take-notes"));
        notes->setFocus();
        QTest::keyClicks(notes, QStringLiteral("under the bell"));
        auto* rating = log.findChild<QComboBox*>(QStringLiteral("take-rating"));
        rating->setFocus();
        QTest::keyClick(rating, Qt::Key_End);
        Q_EMIT rating->activated(rating->currentIndex());
        EVENTUALLY(
            (o.window.log().book()->take(second)->label == TakeLabel{"darker", "under the bell", {"lead", "slow"}, 5}));
        // Found again; a search that cannot be read says so and keeps the list.
        auto* field = log.findChild<QLineEdit*>(QStringLiteral("find-take"));
        field->setFocus();
        QTest::keyClicks(field, QStringLiteral("dark, #lead, rated 5"));
        QTest::keyClick(field, Qt::Key_Return);
        QCOMPARE(log.model().takes().size(), std::size_t{1});
        QCOMPARE(log.model().takes()[0].id, second);
        field->setText(QStringLiteral("decay 3-x ms"));
        QTest::keyClick(field, Qt::Key_Return);
        QVERIFY(log.findChild<QLabel*>(QStringLiteral("find-says"))->isVisible());
        QCOMPARE(log.model().takes().size(), std::size_t{1});
        field->setText(QString());
        QTest::keyClick(field, Qt::Key_Return);
        QCOMPARE(log.model().takes().size(), std::size_t{2});
        // Its keys belong to the field, not to the list.
        field->setFocus();
        QTest::keyClicks(field, QStringLiteral("c"));
        QCOMPARE(field->text(), QStringLiteral("c"));
    }

    void someOfItIsBroughtOver() {
        const QTemporaryDir own;
        Opened o(own.path());
        const std::int64_t first = keep(o);
        turn(o, "filter", "cutoff", 655.0);
        turn(o, "filter", "resonance", 80.0);
        const std::int64_t second = keep(o);
        o.window.showPlace(QStringLiteral("log"));
        LogPlace& log = logOf(o);
        // Back to the first with Enter: a branch begins there, the patch is one step of the history on.
        log.takes().setFocus();
        log.lookAt(first);
        QTest::keyClick(&log.takes(), Qt::Key_Return);
        QCOMPARE(o.patch().post("filter")->knobs.at("cutoff"), 1480.0);
        QCOMPARE(o.window.log().current(), first);
        // Of the second only the resonance.
        log.lookAt(second);
        QCOMPARE(log.changes().topLevelItemCount(), 2);
        for (int i = 0; i < 2; ++i)
            if (log.changes().topLevelItem(i)->text(1).contains(QLatin1String("Cutoff")))
                log.changes().topLevelItem(i)->setCheckState(1, Qt::Unchecked);
        QTest::qWait(500); // the list is looked through again meanwhile; what is unticked stays so
        o.window.log().touch();
        QTest::mouseClick(button(o, "bring-over"), Qt::LeftButton);
        QCOMPARE(o.patch().post("filter")->knobs.at("resonance"), 80.0);
        QCOMPARE(o.patch().post("filter")->knobs.at("cutoff"), 1480.0);
        const std::int64_t third = keep(o);
        QCOMPARE(o.window.log().book()->take(third)->parent, first); // a branch beside the second
        o.window.document().history().undo();
        QCOMPARE(o.patch().post("filter")->knobs.at("resonance"), 34.0);
        // Held against another one, by Ctrl and a click, and by C.
        log.lookAt(third);
        QTest::mouseClick(log.takes().viewport(), Qt::LeftButton, Qt::ControlModifier, middleOf(log, second));
        QCOMPARE(log.model().before(), second);
        QVERIFY2(log.shownText().contains(QLatin1String("Cutoff +71 minutes")), qPrintable(log.shownText()));
        log.takes().setFocus();
        QTest::keyClick(&log.takes(), Qt::Key_Home);
        QTest::keyClick(&log.takes(), Qt::Key_Down);
        QCOMPARE(log.model().after(), third);
        // What is open is not lost by going back: it is kept before.
        turn(o, "filter", "cutoff", 300.0);
        const auto before = o.window.log().book()->list()->size();
        log.lookAt(second);
        QTest::mouseClick(button(o, "go-on"), Qt::LeftButton);
        EVENTUALLY(o.window.log().book()->list()->size() == before + 1);
        QVERIFY(o.window.log().book()->list()->front().kind == TakeKind::BeforeReturn);
        QCOMPARE(o.window.log()
                     .book()
                     ->take(o.window.log().book()->list()->front().id)
                     ->patch.post("filter")
                     ->knobs.at("cutoff"),
                 300.0);
        QCOMPARE(o.patch().post("filter")->knobs.at("cutoff"), 655.0);
    }

    /// Both on one chart: what went is dashed, what came is strong; a row leads to its difference and back.
    void bothAreDrawnOnOneChart() {
        const QTemporaryDir own;
        Opened o(own.path());
        const std::int64_t first = keep(o);
        const Cable gone = o.patch().cables[3];
        QVERIFY(o.window.document().apply({RemoveCable{gone.id}}, QStringLiteral("take out")));
        turn(o, "filter", "cutoff", 655.0);
        const std::int64_t second = keep(o);
        o.window.showPlace(QStringLiteral("log"));
        LogPlace& log = logOf(o);
        log.lookAt(second);
        BothChart& both = log.both();
        EVENTUALLY(both.isVisible() && both.width() > 200);
        QCOMPARE(both.both().rows.size(), o.patch().cables.size() + 1);
        QCOMPARE(both.shown().size(), std::size_t{1}); // what is the same is asked for
        const int low = both.sizeHint().height();
        QTest::mouseClick(button(o, "all-rows"), Qt::LeftButton);
        QCOMPARE(both.shown().size(), both.both().rows.size());
        EVENTUALLY(both.height() == both.sizeHint().height() && both.height() > low);
        QVERIFY(both.accessibleDescription().contains(QLatin1String("only before")));
        const QImage image = both.grab().toImage();
        const auto has = [&](int row, const QColor& colour) {
            const QRect at = both.rowRect(row);
            for (int y = at.top(); y <= at.bottom(); ++y)
                for (int x = 0; x < image.width(); ++x)
                    if (QColor(image.pixel(x, y)) == colour) return true;
            return false;
        };
        QVERIFY(has(3, look().alarm));
        QVERIFY(!has(0, look().alarm));
        QTest::mouseClick(&both, Qt::LeftButton, {}, both.rowRect(3).center());
        QVERIFY(log.changes().currentItem());
        QVERIFY(log.changes().currentItem()->text(1).startsWith(QLatin1String("unplugged")));
        // By keys through the list, the chart follows.
        log.changes().setFocus();
        const QImage marked = both.grab().toImage();
        QTest::keyClick(&log.changes(), Qt::Key_Down);
        EVENTUALLY(both.grab().toImage() != marked);
        log.lookAt(first);
        QVERIFY(std::ranges::all_of(both.both().rows,
                                    [](const BothRow& row) { return row.state == BothRow::State::Same; }));
        QTest::mouseClick(button(o, "all-rows"), Qt::LeftButton);
        QVERIFY(!both.isVisible());
    }

    void theyAreHeardInTurnsAndBlind() {
        const QTemporaryDir own;
        Opened o(own.path());
        const std::int64_t first = keep(o);
        turn(o, "line-out", "level", -16.0); // much quieter
        const std::int64_t second = keep(o);
        o.window.showPlace(QStringLiteral("log"));
        LogPlace& log = logOf(o);
        log.lookAt(second);
        const double monitor = o.window.sound().monitorDecibels();
        const Take a = *o.window.log().book()->take(first);
        const Take b = *o.window.log().book()->take(second);
        const double apart = a.figures.at("level") - b.figures.at("level");
        QVERIFY(apart > 2.0);
        QTest::mouseClick(button(o, "hear-in-turns"), Qt::LeftButton);
        QVERIFY(o.window.document().auditions());
        QVERIFY(o.window.document().heard() == a.patch);
        // The louder one is turned down to the other.
        QVERIFY(std::abs(o.window.sound().monitorDecibels() - (monitor - apart)) < 0.01);
        EVENTUALLY(o.window.document().heard() == b.patch); // with the next bar
        QVERIFY(std::abs(o.window.sound().monitorDecibels() - monitor) < 0.01);
        EVENTUALLY(o.window.document().heard() == a.patch);
        // An edit ends it, and so does leaving; the monitor stands where it stood.
        turn(o, "filter", "cutoff", 500.0);
        QVERIFY(!o.window.document().auditions() && !log.turns().playing());
        QVERIFY(std::abs(o.window.sound().monitorDecibels() - monitor) < 0.01);
        log.lookAt(second);
        QTest::mouseClick(button(o, "hear-in-turns"), Qt::LeftButton);
        o.window.sound().setMonitorDecibels(o.window.sound().monitorDecibels() + 3.0); // by hand, meanwhile
        o.window.showPlace(QStringLiteral("patch"));
        QVERIFY(!o.window.document().auditions());
        QVERIFY(std::abs(o.window.sound().monitorDecibels() - (monitor + 3.0)) < 0.01);
        o.window.showPlace(QStringLiteral("log"));

        // Blind: whichever is played as which, the quieter patch is preferred each time; keys alone.
        int rounds = 0;
        std::function<void()> listen = [&] {
            auto* dialog = qobject_cast<BlindDialog*>(QApplication::activeModalWidget());
            if (!dialog) {
                QTimer::singleShot(5, listen);
                return;
            }
            if (dialog->isOver()) {
                QVERIFY2(dialog->result().contains(QLatin1String("preferred in 9 of 9")), qPrintable(dialog->result()));
                dialog->accept();
                return;
            }
            QTest::keyClick(dialog, Qt::Key_Right); // not before both were heard
            QTest::keyClick(dialog, Qt::Key_2);
            if (rounds++ == 0)
                QTest::keyClick(dialog, Qt::Key_Down); // no difference
            else
                QTest::keyClick(dialog, dialog->pair().first == 1 ? Qt::Key_Left : Qt::Key_Right);
            QTimer::singleShot(0, listen);
        };
        QTimer::singleShot(0, listen);
        QTest::mouseClick(button(o, "blind-rounds"), Qt::LeftButton);
        QCOMPARE(rounds, 10);
        const auto votes = *o.window.log().book()->rounds(first, second);
        QCOMPARE(votes.size(), std::size_t{9});
        QVERIFY(std::ranges::all_of(votes, [&](const Round& round) { return round.preferred == second; }));
        QVERIFY(log.findChild<QLabel*>(QStringLiteral("rounds"))->text().contains(QLatin1String("9 of 9")));
        QVERIFY(!o.window.document().auditions());
    }

    /// Three takes, each against each: chosen by keys, heard blind, the votes kept.
    void threeTakesAreHeardBlind() {
        const QTemporaryDir own;
        Opened o(own.path());
        const std::int64_t first = keep(o);
        turn(o, "line-out", "level", -16.0);
        const std::int64_t second = keep(o);
        turn(o, "filter", "cutoff", 655.0);
        const std::int64_t third = keep(o);
        o.window.showPlace(QStringLiteral("log"));
        LogPlace& log = logOf(o);
        log.lookAt(third); // against the second
        int rounds = 0;
        std::function<void()> listen = [&] {
            auto* dialog = qobject_cast<BlindDialog*>(QApplication::activeModalWidget());
            if (!dialog) {
                QTimer::singleShot(5, listen);
                return;
            }
            if (dialog->isOver()) {
                QVERIFY2(dialog->result().count(QLatin1Char('\n')) == 2, qPrintable(dialog->result()));
                dialog->accept();
                return;
            }
            ++rounds;
            QTest::keyClick(dialog, Qt::Key_2);
            QTest::keyClick(dialog, dialog->pair().first < dialog->pair().second ? Qt::Key_Left : Qt::Key_Right);
            QTimer::singleShot(0, listen);
        };
        std::function<void()> pick = [&] {
            auto* dialog = qobject_cast<ChooseTakes*>(QApplication::activeModalWidget());
            if (!dialog) {
                QTimer::singleShot(5, pick);
                return;
            }
            auto* list = dialog->findChild<QListWidget*>(QStringLiteral("takes-to-choose"));
            auto* ok = dialog->findChild<QDialogButtonBox*>()->button(QDialogButtonBox::Ok);
            QCOMPARE(dialog->chosen().size(), std::size_t{2}); // those that are compared
            QVERIFY(ok->isEnabled());
            list->setCurrentRow(0);
            QTest::keyClick(list, Qt::Key_Space); // one alone is no comparison
            QVERIFY(!ok->isEnabled());
            QTest::keyClick(list, Qt::Key_Space);
            list->setCurrentRow(list->count() - 1);
            QTest::keyClick(list, Qt::Key_Space);
            QCOMPARE(dialog->chosen().size(), std::size_t{3});
            QTimer::singleShot(0, listen);
            QTest::mouseClick(ok, Qt::LeftButton);
        };
        QTimer::singleShot(0, pick);
        o.action(QStringLiteral("blind-several"))->trigger();
        QCOMPARE(rounds, 10);
        std::size_t votes = 0;
        for (const auto& [a, b] : {std::pair{first, second}, {second, third}, {first, third}}) {
            const auto kept = *o.window.log().book()->rounds(a, b);
            QVERIFY(kept.size() >= 3);
            votes += kept.size();
        }
        QCOMPARE(votes, std::size_t{10});
        QVERIFY(!o.window.document().auditions());
    }

    void throwingAwayAndTakingBack() {
        const QTemporaryDir own;
        Opened o(own.path());
        const std::int64_t first = keep(o);
        turn(o, "filter", "cutoff", 655.0);
        const std::int64_t second = keep(o);
        o.window.showPlace(QStringLiteral("log"));
        LogPlace& log = logOf(o);
        log.lookAt(second);
        log.takes().setFocus();
        QTest::keyClick(&log.takes(), Qt::Key_Delete);
        QCOMPARE(log.model().takes().size(), std::size_t{1});
        QCOMPARE(log.model().after(), first);
        o.action(QStringLiteral("take-take-back"))->trigger();
        QCOMPARE(log.model().takes().size(), std::size_t{2});
        o.action(QStringLiteral("take-take-back"))->trigger(); // nothing more
        QVERIFY(o.window.messages().text().contains(QLatin1String("Nothing was thrown away")));
        // The row of the open patch is none that could be thrown away.
        log.lookAt(TakeModel::kNow);
        QTest::keyClick(&log.takes(), Qt::Key_Delete);
        QCOMPARE(log.model().takes().size(), std::size_t{2});
    }

    /// Out as a bundle, in again, somebody else's changes, and the page of the day.
    void takesGoOutAndComeIn() {
        const QTemporaryDir own;
        Opened o(own.path());
        const std::int64_t first = keep(o);
        o.window.showPlace(QStringLiteral("log"));
        LogPlace& log = logOf(o);
        log.lookAt(first);
        const QString bundle = o.folder.filePath(QStringLiteral("out.lariat-bundle"));
        answerFileDialog(bundle);
        o.action(QStringLiteral("export-take"))->trigger();
        QVERIFY(QFile::exists(bundle));
        answerFileDialog(bundle);
        o.action(QStringLiteral("import-take"))->trigger();
        QCOMPARE(log.model().takes().size(), std::size_t{2});
        const auto brought = *o.window.log().book()->take(o.window.log().book()->list()->front().id);
        QVERIFY(brought.patch == o.patch() && brought.hasSound);
        QVERIFY(brought.thumb.outline != Thumb{}.outline); // drawn of its sound
        // She turned the resonance, I the cutoff and the title; both of us the attack.
        const Patch theirs =
            *applyEdits(o.patch(), {SetKnob{"filter", "resonance", 70.0}, SetKnob{"contour-1", "attack", 0.5}});
        const QString file = o.folder.filePath(QStringLiteral("hers.lariat"));
        QVERIFY(writeFile(file.toStdString(), writePatch(theirs), FileKind::Patch));
        QVERIFY(o.window.document().apply({SetKnob{"filter", "cutoff", 400.0}, SetKnob{"contour-1", "attack", 1.0}},
                                          QStringLiteral("mine")));
        log.holdAgainst(first);
        answerFileDialog(file);
        o.action(QStringLiteral("bring-together"))->trigger();
        QCOMPARE(o.patch().post("filter")->knobs.at("resonance"), 70.0);
        QCOMPARE(o.patch().post("filter")->knobs.at("cutoff"), 400.0);
        QCOMPARE(o.patch().post("contour-1")->knobs.at("attack"), 1.0);
        QVERIFY2(o.window.messages().text().contains(QLatin1String("left out: Contour 1 Attack")),
                 qPrintable(o.window.messages().text()));
        const QString page = o.folder.filePath(QStringLiteral("day.html"));
        answerFileDialog(page);
        o.action(QStringLiteral("diary"))->trigger();
        const auto text = readFile(page.toStdString());
        QVERIFY(text && text->find("<svg") != std::string::npos);
        // What is no take says so.
        std::ofstream(bundle.toStdString()) << "no archive";
        answerFileDialog(bundle);
        o.action(QStringLiteral("import-take"))->trigger();
        QVERIFY(o.window.messages().text().contains(QLatin1String("no bundle")));
    }

    void aPlanIsPrecededByATake() {
        const QTemporaryDir own;
        Opened o(own.path());
        o.window.log().keepBefore(TakeKind::BeforePlan);
        EVENTUALLY(o.window.log().book()->list()->size() == 1);
        EVENTUALLY(!o.window.log().keeping());
        o.window.log().keepBefore(TakeKind::BeforePlan); // it is kept already
        QTest::qWait(50);
        QCOMPARE(o.window.log().book()->list()->size(), std::size_t{1});
        QVERIFY(o.window.log().book()->list()->front().kind == TakeKind::BeforePlan);
    }

    /// A log that is damaged is told, and stays as it is; once it is out of the way, it goes on.
    void whatIsDamagedIsToldAndStays() {
        const QTemporaryDir own;
        const QString file = own.filePath(QStringLiteral("log.sqlite"));
        std::ofstream(file.toStdString()) << "this is no database at all, but somebody's letter";
        Opened o(own.path());
        o.window.showPlace(QStringLiteral("log"));
        LogPlace& log = logOf(o);
        auto* problem = log.findChild<QLabel*>(QStringLiteral("log-problem"));
        QVERIFY(problem->isVisible() && problem->text().contains(QLatin1String("move it away")));
        QTest::keyClick(&o.window, Qt::Key_F6);
        QVERIFY(o.window.messages().text().contains(QLatin1String("move it away")));
        QVERIFY(QFile::rename(file, file + QStringLiteral(".old")));
        QTest::mouseClick(button(o, "log-again"), Qt::LeftButton);
        QVERIFY(!problem->isVisible());
        keep(o);
        QCOMPARE(log.model().takes().size(), std::size_t{1});
        // Two windows write into one log; each sees the other's when it looks.
        Opened other(own.path());
        turn(other, "filter", "cutoff", 900.0);
        keep(other);
        o.window.showPlace(QStringLiteral("patch"));
        o.window.showPlace(QStringLiteral("log"));
        o.window.log().touch();
        QCOMPARE(log.model().takes().size(), std::size_t{2});
        // Another patch is from none of them.
        o.window.document().startNew("keepers-case");
        QCOMPARE(o.window.log().current(), 0);
        EVENTUALLY(log.shownText().startsWith(QLatin1String("Now\nIt came from no take")));
        keep(o); // an empty patch is a take too
    }
};

QTEST_MAIN(LogWindowTest)
#include "log_window_test.moc"
