// Recordings heard in turns: at the bar, without a step, each at its own level, and under the same guard as the case.
#include "engine/engine.h"
#include "engine/playback.h"
#include "support/patches.h"
#include "units/level.h"

#include <QtTest>

#include <algorithm>
#include <cmath>
#include <numbers>

using namespace lariat;
using namespace lariat::test;

namespace {

constexpr double kRate = 48000.0;

std::vector<float> tone(double hertz, double size, std::size_t frames) {
    std::vector<float> out(frames);
    for (std::size_t i = 0; i < frames; ++i)
        out[i] = static_cast<float>(size * std::sin(2.0 * std::numbers::pi * hertz * static_cast<double>(i) / kRate));
    return out;
}

/// The left side of so many frames, block by block.
std::vector<float> heard(Playback& playback, std::size_t frames, std::size_t block = 512) {
    std::vector<float> out;
    std::vector<float> two(2 * block);
    while (out.size() < frames) {
        playback.run(two);
        for (std::size_t i = 0; i < block; ++i) {
            if (two[2 * i] != two[2 * i + 1]) throw std::runtime_error("the sides differ");
            out.push_back(two[2 * i]);
        }
    }
    out.resize(frames);
    return out;
}

double peakOf(std::span<const float> volts) {
    double peak = 0.0;
    for (const float one : volts) peak = std::max(peak, static_cast<double>(std::abs(one)));
    return peak;
}

} // namespace

class PlaybackTest : public QObject {
    Q_OBJECT

  private Q_SLOTS:
    void itTurnsAtTheBar() {
        constexpr std::size_t kBar = 9600;
        Playback playback({{std::vector<float>(48000, 0.5f)}, {std::vector<float>(60000, -0.25f)}}, kBar, kRate);
        playback.setInTurns(true);
        const auto out = heard(playback, 4 * kBar);
        QCOMPARE(out[kBar - 1], 0.5f);
        QVERIFY(out[kBar + 1] < 0.5f); // on its way
        QCOMPARE(out[kBar + 480], -0.25f);
        QCOMPARE(out[2 * kBar - 1], -0.25f);
        QCOMPARE(out[2 * kBar + 480], 0.5f);
        float step = 0.0f;
        for (std::size_t i = 481; i < out.size(); ++i) step = std::max(step, std::abs(out[i] - out[i - 1]));
        QVERIFY2(step < 1.1f * 0.75f / 480.0f, qPrintable(QString::number(static_cast<double>(step))));
    }

    /// What is asked for in the middle of a bar comes with the next, and stays.
    void whatIsChosenComesWithTheNextBar() {
        constexpr std::size_t kBar = 10240; // twenty blocks
        Playback playback({{tone(100, 0.5, 96000), 1.0f}, {tone(100, 0.5, 96000), 0.5f}}, kBar, kRate);
        QVERIFY(std::abs(peakOf(heard(playback, 5120)) - 0.5) < 0.01);
        playback.choose(1);
        QCOMPARE(playback.heard(), std::size_t{0});
        QVERIFY(std::abs(peakOf(heard(playback, 4608)) - 0.5) < 0.01);
        (void)heard(playback, 1024);
        QCOMPARE(playback.heard(), std::size_t{1});
        QVERIFY(std::abs(peakOf(heard(playback, 20480)) - 0.25) < 0.005); // its own level, bars later too
        playback.choose(7);                                               // there is none such: the last
        (void)heard(playback, 20480);
        QCOMPARE(playback.heard(), std::size_t{1});
    }

    /// The shortest sets where all begin anew; nothing clicks there, nor is a recording of one frame any trouble.
    void itBeginsAnewWithoutAStep() {
        Playback playback({{std::vector<float>(20000, 0.8f)}, {std::vector<float>(90000, 0.8f)}}, 5000, kRate);
        const auto out = heard(playback, 50000);
        float step = 0.0f;
        for (std::size_t i = 1; i < out.size(); ++i) step = std::max(step, std::abs(out[i] - out[i - 1]));
        QVERIFY(step < 1.1f * 0.8f / 480.0f);
        // Shorter than a bar, each is a bar of its own.
        Playback brief({{std::vector<float>(2000, 0.8f)}, {std::vector<float>(2500, 0.1f)}}, 96000, kRate);
        brief.setInTurns(true);
        const auto both = heard(brief, 4096);
        QVERIFY(std::abs(both[1000] - 0.8f) < 1e-6f && std::abs(both[3000] - 0.1f) < 1e-6f);
        Playback tiny({{std::vector<float>(1, 1.0f)}}, 0, kRate);
        QVERIFY(peakOf(heard(tiny, 1000)) <= 1.0);
    }

    /// It takes the place of the case, at the level of the monitor, and the guard shuts what would hurt.
    void theEngineHearsIt() {
        Engine engine({}, kRate);
        engine.setPatch(demo("lamp.json"), workspace().library);
        engine.setRunning(true);
        engine.setMonitorGain(0.5f);
        engine.setPlayback(
            std::make_unique<Playback>(std::vector<Playback::Recording>{{tone(200, 0.4, 480000)}}, 48000, kRate));
        std::vector<float> block(2 * 480);
        std::vector<float> out;
        for (int i = 0; i < 200; ++i) {
            engine.process(block.data(), 480);
            out.insert(out.end(), block.begin(), block.end());
        }
        const std::span<const float> late(out.data() + out.size() / 2, out.size() / 2);
        QVERIFY2(std::abs(peakOf(late) - 0.2) < 0.002, qPrintable(QString::number(peakOf(late))));
        engine.setPlayback(std::make_unique<Playback>(
            std::vector<Playback::Recording>{{std::vector<float>(480000, 0.5f)}}, 48000, kRate));
        for (int i = 0; i < 300; ++i) engine.process(block.data(), 480);
        QCOMPARE(engine.meters.guard.load(), Guard::Dc);
        QVERIFY(peakOf(block) < 1e-3);
        engine.setPlayback(nullptr);
        engine.setMonitorGain(0.5f); // lets go of it: the case is heard again
        double peak = 0.0;
        for (int i = 0; i < 200; ++i) {
            engine.process(block.data(), 480);
            peak = std::max(peak, peakOf(block));
        }
        QVERIFY(peak > 0.01);
        QCOMPARE(engine.playback(), nullptr);
    }
};

QTEST_GUILESS_MAIN(PlaybackTest)
#include "playback_test.moc"
