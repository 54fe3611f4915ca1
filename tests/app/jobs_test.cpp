// Work in the background, and the check that is one: results arrive on the thread of the window, what was stopped or
// has nobody left does not. The thread sanitizer runs it too, without the rest of the window.
#include "shell/checker.h"
#include "support/eventually.h"
#include "support/patches.h"

#include <QtTest>

#include <QThread>

#include <algorithm>
#include <stdexcept>

using namespace lariat;
using namespace lariat::test;

class JobsTest : public QObject {
    Q_OBJECT

    QTemporaryDir settings_;

  private Q_SLOTS:
    void initTestCase() { qputenv("XDG_DATA_HOME", settings_.path().toUtf8()); }

    void jobsTellAndStop() {
        Jobs jobs;
        QObject owner;
        QSignalSpy failed(&jobs, &Jobs::failed);
        int got = 0;
        const auto first = jobs.start(
            QStringLiteral("first"), &owner,
            [](const Progress& progress) {
                progress(0.5);
                return 42;
            },
            [&](int result) { got = result; });
        EVENTUALLY(first->ended());
        QCOMPARE(got, 42);
        QCOMPARE(first->done(), 0.5);
        const auto endless = jobs.start(
            QStringLiteral("endless"), &owner,
            [](const Progress& progress) {
                while (progress(0.0)) QThread::msleep(1);
                return 1;
            },
            [&](int result) { got = result; });
        QCOMPARE(jobs.all().size(), std::size_t{1});
        endless->stop();
        EVENTUALLY(endless->ended());
        QCOMPARE(got, 42); // what was stopped does not arrive
        jobs.start(
            QStringLiteral("bad"), &owner, [](const Progress&) -> int { throw std::runtime_error("no more"); },
            [&](int result) { got = result; });
        EVENTUALLY_EQUAL(failed.count(), 1);
        QVERIFY(failed[0][0].toString().contains(QStringLiteral("bad")));
        QCOMPARE(got, 42);
        // Who asked may be gone when it ends.
        auto* gone = new QObject;
        const auto late = jobs.start(
            QStringLiteral("late"), gone,
            [](const Progress&) {
                QThread::msleep(20);
                return 7;
            },
            [&](int result) { got = result; });
        delete gone;
        EVENTUALLY(late->ended());
        QCOMPARE(got, 42);
    }

    /// Values that were made here are read there and come back, more of them than there are threads.
    void manyJobsBringBackWhatTheyWereGiven() {
        Jobs jobs;
        jobs.setThreads(3);
        QObject owner;
        std::vector<std::size_t> got;
        for (std::size_t n = 1; n <= 40; ++n)
            jobs.start(
                QStringLiteral("sum"), &owner,
                [values = std::vector<std::size_t>(n, n)](const Progress& progress) {
                    progress(0.5);
                    return std::vector<std::size_t>{values.size(), values.back()};
                },
                [&](const std::vector<std::size_t>& result) {
                    QCOMPARE(result.front(), result.back());
                    got.push_back(result.front());
                });
        EVENTUALLY(jobs.all().empty());
        std::ranges::sort(got);
        QCOMPARE(got.size(), std::size_t{40});
        QVERIFY(std::ranges::adjacent_find(got) == got.end());
    }

    /// Edits, undo and another file while checks run: what is told in the end is of the patch as it is.
    void thePatchIsEditedWhileItIsChecked() {
        Jobs jobs;
        Document document(workspace());
        QVERIFY(document.open(QStringLiteral(LARIAT_SOURCE "/data/demo/lamp.json")));
        Checker checker(document, jobs);
        EVENTUALLY(!jobs.all().empty());
        QVERIFY(document.apply({RemoveCable{13}}, QStringLiteral("remove")));
        QVERIFY(!checker.upToDate());
        EVENTUALLY(
            std::ranges::any_of(jobs.all(), [](const auto& job) { return !job->stopped() && job->done() > 0.0; }));
        document.history().undo();
        checker.askForSheet();
        EVENTUALLY(checker.sheetIsReady());
        QVERIFY(checker.problem().isEmpty());
        QCOMPARE(checker.sheet().rows.size(), document.patch().cables.size());
    }
};

QTEST_GUILESS_MAIN(JobsTest)
#include "jobs_test.moc"
