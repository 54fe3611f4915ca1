// What reaches the ears, whatever a patch does: howl, DC, jumps and peaks between the samples.
#include "engine/engine.h"
#include "engine/resampler.h"
#include "library/check.h"
#include "measure/measure.h"
#include "support/live.h"
#include "support/patches.h"
#include "units/level.h"

#include <QtTest>

#include <cmath>
#include <random>

using namespace lariat;
using namespace lariat::test;

namespace {

/// A mixer into itself with a gain above one, heard at some level.
PatchMaker howling(double outLevel, double vcaOffset) {
    PatchMaker maker;
    maker.post("osc", "anchor", "osc")
        .post("mixer", "gangway", "mixer")
        .post("bilge", "bilge", "1")
        .post("vca", "ballast-a", "1")
        .post("out", "harbour", "out");
    maker.knob("bilge", "offset", 5.0)
        .knob("bilge", "amount", 100.0)
        .knob("mixer", "level-1", 20.0)
        .knob("mixer", "level-2", 100.0)
        .knob("vca", "offset", vcaOffset)
        .knob("out", "level", outLevel);
    maker.tie("osc.pulse", "mixer.in-1")
        .tie("mixer.mix", "bilge.in")
        .tie("bilge.out", "mixer.in-2")
        .tie("mixer.mix", "vca.in")
        .tie("vca.out", "out.left");
    return maker;
}

} // namespace

class EarGuardTest : public QObject {
    Q_OBJECT

  private Q_SLOTS:
    void aHowlIsShutWhateverTheLevels() {
        std::mt19937 random(3);
        for (int n = 0; n < 8; ++n) {
            const double level = n == 0 ? -0.5 : -std::uniform_real_distribution<double>(0.0, 30.0)(random);
            const double offset = n < 2 ? 100.0 : std::uniform_real_distribution<double>(10.0, 100.0)(random);
            PatchMaker maker = howling(level, offset);
            Engine engine;
            engine.setMonitorGain(0.5f);
            engine.setPatch(maker.make(), workspace().library);
            played(engine, 96000);
            QVERIFY2(engine.meters.muted.load(), qPrintable(QString::number(level)));
            QCOMPARE(engine.meters.guard.load(), Guard::Howl);
            for (const float v : played(engine, 480)) QVERIFY(std::abs(v) < 1e-3f);
            // No edit opens it; touching the monitor does.
            engine.setPatch(maker.post("noise", "spray", "noise").make(), workspace().library);
            engine.setPatch(maker.knob("out", "level", level - 1.0).make(), workspace().library);
            for (const float v : played(engine, 9600)) QVERIFY(std::abs(v) < 1e-3f);
            QVERIFY(engine.meters.muted.load());
            engine.setMonitorGain(0.4f);
            played(engine, 480);
            QVERIFY(!engine.meters.muted.load());
        }
    }

    void dcAndJumpsAreHeldBack() {
        Engine dc;
        dc.setMonitorGain(1.0f);
        dc.setPatch(PatchMaker()
                        .post("bias", "bilge", "1")
                        .post("out", "harbour", "out")
                        .tie("bias.out", "out.left")
                        .knob("bias", "offset", 5.0)
                        .knob("out", "level", -3.0)
                        .make(),
                    workspace().library);
        played(dc, 3 * 48000);
        QCOMPARE(dc.meters.guard.load(), Guard::Dc);
        for (const float v : played(dc, 480)) QVERIFY(std::abs(v) < 1e-3f);

        // A quiet tone for three seconds, then 40 dB more of it: 20 dB are let through.
        PatchMaker maker;
        maker.post("osc", "keel", "a").post("vca", "ballast-a", "1").post("out", "harbour", "out");
        maker.tie("osc.sine", "vca.in").tie("vca.out", "out.left").knob("vca", "offset", 1.0).knob("out", "level", 0);
        Engine jump;
        jump.setMonitorGain(1.0f);
        jump.setPatch(maker.make(), workspace().library);
        const auto quiet = played(jump, 3 * 48000);
        jump.setPatch(maker.knob("vca", "offset", 100.0).make(), workspace().library);
        played(jump, 9600);
        const auto loud = played(jump, 9600);
        const double before = measureLevel(std::span(quiet).last(9600)).peak().value;
        const double after = measureLevel(loud).peak().value;
        QCOMPARE(jump.meters.guard.load(), Guard::Jump);
        QVERIFY2(toDecibels(after / before).value < 21.5,
                 qPrintable(QString::number(toDecibels(after / before).value)));
        jump.setMonitorGain(1.0f);
        QVERIFY(measureLevel(played(jump, 9600)).peak().value > 0.4);
    }

    /// The shipped patches are left alone, and peaks between the samples stay below -1 dBFS.
    void shippedPatchesAreLeftAlone_data() {
        QTest::addColumn<QString>("file");
        for (const auto& entry :
             std::filesystem::directory_iterator(std::filesystem::path(LARIAT_SOURCE) / "data/demo"))
            if (entry.path().extension() == ".json")
                QTest::newRow(entry.path().stem().c_str()) << QString::fromStdString(entry.path().filename().string());
    }
    void shippedPatchesAreLeftAlone() {
        QFETCH(QString, file);
        Engine engine;
        engine.setMonitorGain(1.0f);
        engine.setPatch(demo(file.toStdString()), workspace().library);
        played(engine, 8 * 48000, 1024);
        QVERIFY2(engine.meters.guard.load() == Guard::Open,
                 qPrintable(QString::number(static_cast<int>(engine.meters.guard.load()))));
    }

    void peaksBetweenSamplesAreHeld() {
        PatchMaker maker;
        maker.post("osc", "keel", "a").post("out", "harbour", "out").tie("osc.saw", "out.left");
        maker.knob("osc", "octave", 6.0).knob("out", "level", 0);
        Engine engine;
        engine.setMonitorGain(4.0f);
        engine.setPatch(maker.make(), workspace().library);
        played(engine, 4800);
        const auto heard = played(engine, 48000);
        std::vector<float> left;
        for (std::size_t i = 0; i < heard.size(); i += 2) left.push_back(heard[i]);
        const auto finer = convertMix(left, left, 48000.0, 384000.0);
        double peak = 0.0;
        for (std::size_t i = finer.size() / 4; i < finer.size() * 3 / 4; ++i)
            peak = std::max(peak, std::abs(static_cast<double>(finer[i])) * kFullScaleVolts);
        QVERIFY2(peak < 0.91, qPrintable(QString::number(peak)));
        QVERIFY(engine.meters.limited.load());
    }
};

QTEST_GUILESS_MAIN(EarGuardTest)
#include "ear_guard_test.moc"
