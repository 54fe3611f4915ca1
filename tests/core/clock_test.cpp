// Clock: edges to the microsecond, divisions in step, reset, swing.
#include "support/analysis.h"
#include "support/rig.h"

#include <QtTest>

#include <cmath>

using namespace lariat;
using namespace lariat::test;

class ClockTest : public QObject {
    Q_OBJECT

  private Q_SLOTS:
    /// Two presses of the button are a tempo.
    void theTempoIsTappedByButton() {
        Rig rig("clock");
        rig.set("tempo", 120).run(0.1).set("press-tap", 1).run(0.05);
        rig.set("press-tap", 0).run(0.35).set("press-tap", 1).run(0.05);
        rig.set("press-tap", 0).run(3.0);
        const auto& beats = rig.rising("beat");
        QVERIFY(beats.size() > 4);
        QVERIFY2(std::abs(beats[beats.size() - 1] - beats[beats.size() - 2] - 0.4) < 0.002,
                 qPrintable(QString::number(beats[beats.size() - 1] - beats[beats.size() - 2])));
    }

    void edgesLieWithinAMicrosecond_data() {
        QTest::addColumn<QString>("jack");
        QTest::addColumn<double>("perBeat");
        QTest::newRow("bar") << "bar" << 0.25;
        QTest::newRow("beat") << "beat" << 1.0;
        QTest::newRow("eighths") << "eighths" << 2.0;
        QTest::newRow("sixteenths") << "sixteenths" << 4.0;
        QTest::newRow("ppqn") << "ppqn-24" << 24.0;
    }
    void edgesLieWithinAMicrosecond() {
        QFETCH(QString, jack);
        QFETCH(double, perBeat);
        const double tempo = 111.7;
        Rig rig("clock");
        rig.set("tempo", tempo).run(20.0);
        const auto& edges = rig.rising(jack.toStdString());
        const auto& ends = rig.falling(jack.toStdString());
        const double period = 60.0 / tempo / perBeat;
        QVERIFY(edges.size() >= static_cast<std::size_t>(19.9 / period));
        for (std::size_t n = 0; n < edges.size(); ++n) {
            const double late = edges[n] - edges[0] - static_cast<double>(n) * period;
            worst("clock", "edges over 20 s", 1e6 * late, "µs");
            QVERIFY2(std::abs(late) < 1e-6, qPrintable(QString::number(late)));
        }
        for (std::size_t n = 0; n < ends.size(); ++n) QVERIFY(std::abs(ends[n] - edges[n] - period / 2) < 1e-6);
    }

    void allStartTogether() {
        Rig rig("clock");
        rig.run(1.0);
        for (const char* jack : {"bar", "beat", "eighths", "sixteenths", "ppqn-24", "reset-out"})
            QCOMPARE(rig.rising(jack).front(), rig.rising("beat").front());
        QVERIFY(std::abs(rig.falling("reset-out").front() - rig.rising("reset-out").front() - 0.005) < 1e-6);
    }

    void swingMovesEverySecondSixteenth() {
        Rig rig("clock");
        rig.set("tempo", 120).set("swing", 66).run(4.0);
        const auto& edges = rig.rising("sixteenths");
        for (std::size_t n = 1; n < edges.size(); ++n) {
            const double expected = n % 2 == 1 ? 0.66 * 0.25 : 0.34 * 0.25;
            QVERIFY(std::abs(edges[n] - edges[n - 1] - expected) < 1e-6);
        }
        // Eighths do not swing.
        const auto& eighths = rig.rising("eighths");
        for (std::size_t n = 1; n < eighths.size(); ++n) QVERIFY(std::abs(eighths[n] - eighths[n - 1] - 0.25) < 1e-6);
    }

    void resetStartsTheBarAnew() {
        Rig rig("clock");
        rig.set("tempo", 120).pulses("reset", {{0.7004, 0.705}}).run(1.5);
        const auto& beats = rig.rising("beat");
        QCOMPARE(beats.size(), std::size_t{4}); // 0, 0.5, 0.7004, 1.2004
        QVERIFY(std::abs(beats[2] - 0.7004) < 1e-6);
        QVERIFY(std::abs(beats[3] - 1.2004) < 1e-6);
        QCOMPARE(rig.rising("reset-out").size(), std::size_t{2});
    }

    void stoppedItStandsStill() {
        Rig rig("clock");
        rig.transport.running = false;
        rig.run(1.0);
        QVERIFY(rig.rising("beat").empty());
        rig.transport.running = true;
        rig.run(1.0);
        QVERIFY(!rig.rising("beat").empty());
    }

    void rewindGoesBackToTheFirstBeat() {
        Rig rig("clock");
        rig.set("tempo", 120).run(0.8);
        QVERIFY(rig.transport.beats > 1.5);
        rig.transport.rewind = true;
        rig.run(0.1);
        QVERIFY(rig.transport.beats < 0.3);
    }

    void levelsBetweenEdges() {
        Rig rig("clock");
        rig.set("tempo", 120).run(0.5);
        QCOMPARE(rig.out("beat")[4800], 5.0f);
        QCOMPARE(rig.out("beat")[30000], 0.0f);
    }
};

QTEST_APPLESS_MAIN(ClockTest)
#include "clock_test.moc"
