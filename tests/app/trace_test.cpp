// Traces: what is drawn is where the volts are, and kinds differ without colour.
#include "look/trace_image.h"

#include <QtTest>

#include <cmath>

using namespace lariat;

namespace {

constexpr QSize kSize(200, 40);

/// Height of the middle of what is painted in a column, from the top; -1 if nothing is.
double inkAt(const QImage& image, int x) {
    double sum = 0.0;
    double weight = 0.0;
    for (int y = 0; y < image.height(); ++y) {
        const int alpha = qAlpha(image.pixel(x, y));
        sum += (y + 0.5) * alpha;
        weight += alpha;
    }
    return weight > 0.0 ? sum / weight : -1.0;
}

int painted(const QImage& image) {
    int count = 0;
    for (int y = 0; y < image.height(); ++y)
        for (int x = 0; x < image.width(); ++x) count += qAlpha(image.pixel(x, y)) > 60;
    return count;
}

std::vector<MinMax> constant(float volts) {
    return std::vector<MinMax>(200, {volts, volts});
}

} // namespace

class TraceTest : public QObject {
    Q_OBJECT

  private Q_SLOTS:
    void voltsStandWhereTheyShould_data() {
        QTest::addColumn<float>("volts");
        for (const float volts : {-4.0f, -1.3f, 0.0f, 2.2f, 5.0f})
            QTest::addRow("%g V", static_cast<double>(volts)) << volts;
    }
    void voltsStandWhereTheyShould() {
        QFETCH(float, volts);
        const QImage image = traceImage(kSize, constant(volts), {-5.0f, 5.0f}, SignalKind::Audio, Qt::black);
        const double expected = std::clamp((5.0 - static_cast<double>(volts)) / 10.0 * 40.0, 0.6, 39.4);
        QVERIFY(std::abs(inkAt(image, 100) - expected) < 0.3);
    }

    void columnsAreJoined() {
        std::vector<MinMax> step = constant(-4.0f);
        std::fill(step.begin() + 100, step.end(), MinMax{4.0f, 4.0f});
        const QImage image = traceImage(kSize, step, {-5.0f, 5.0f}, SignalKind::Audio, Qt::black);
        for (int y = 6; y < 34; ++y) QVERIFY(qAlpha(image.pixel(100, y)) > 200);
    }

    void kindsDifferWithoutColour() {
        const auto image = [](SignalKind kind) {
            return traceImage(kSize, constant(4.0f), {-0.5f, 8.4f}, kind, Qt::black);
        };
        QVERIFY(painted(image(SignalKind::Pitch)) >= 1.5 * painted(image(SignalKind::Audio))); // a thicker line
        // Between the line at 4 V and zero: solid, soft, hatched, nothing.
        const auto ground = [&](SignalKind kind, int x) { return qAlpha(image(kind).pixel(x, 30)); };
        QVERIFY(ground(SignalKind::Gate, 100) > 180);
        QVERIFY(ground(SignalKind::Control, 100) > 20 && ground(SignalKind::Control, 100) < 80);
        QCOMPARE(ground(SignalKind::Audio, 100), 0);
        int hatched = 0;
        for (int x = 100; x < 150; ++x) hatched += ground(SignalKind::Clock, x) > 100;
        QVERIFY(hatched > 5 && hatched < 20);
    }

    void oddInputIsHarmless() {
        QVERIFY(traceImage({0, 0}, constant(1.0f), {-5, 5}, SignalKind::Audio, Qt::black).isNull());
        QCOMPARE(painted(traceImage(kSize, {}, {-5, 5}, SignalKind::Audio, Qt::black)), 0);
        QVERIFY(painted(traceImage(kSize, constant(99.0f), {-5, 5}, SignalKind::Audio, Qt::black)) >
                0); // stays at the edge
        QVERIFY(painted(traceImage(kSize, std::vector<MinMax>(7, {1.0f, 2.0f}), {-5, 5}, SignalKind::Control,
                                   Qt::black)) > 0);
    }

    void rangesStandStill() {
        // Like signals share a range, and a little more or less does not move it.
        QCOMPARE(rangeFor(SignalKind::Audio, -5.0f, 5.0f), rangeFor(SignalKind::Audio, -5.7f, 5.4f));
        QCOMPARE(rangeFor(SignalKind::Audio, -6.5f, 6.0f), rangeFor(SignalKind::Audio, -7.9f, 3.0f));
        QCOMPARE(rangeFor(SignalKind::Control, 0.0f, 8.0f), rangeFor(SignalKind::Control, 0.0f, 5.0f));
        for (const SignalKind kind :
             {SignalKind::Audio, SignalKind::Pitch, SignalKind::Gate, SignalKind::Clock, SignalKind::Control})
            for (const auto& [low, high] : {std::pair{-11.5f, 11.5f}, {0.0f, 11.4f}, {-0.83f, 0.17f}, {2.0f, 2.0f}}) {
                const VoltRange range = rangeFor(kind, low, high);
                QVERIFY(range.high > range.low && range.high >= high);
                if (kind != SignalKind::Gate && kind != SignalKind::Clock) QVERIFY(range.low <= low);
            }
    }
};

QTEST_MAIN(TraceTest)
#include "trace_test.moc"
