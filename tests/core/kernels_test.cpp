// The loops for vector units, in two versions that give the same bits.
#include "blocks/parts/kernels.h"

#include <QtTest>

#include <cstring>
#include <random>

using namespace lariat;

class KernelsTest : public QObject {
    Q_OBJECT

  private Q_SLOTS:
    /// Plain and wide vector units give the same bits.
    void kernelsAgree() {
        const Kernels* wide = wideKernels();
        if (!wide) QSKIP("this processor has no AVX2");
        const Kernels& plain = plainKernels();
        std::mt19937 random(11);
        const auto unit = [&](float low, float high) {
            return std::uniform_real_distribution<float>(low, high)(random);
        };
        for (int round = 0; round < 2000; ++round) {
            Line in;
            Line other;
            for (int i = 0; i < kRun; ++i) {
                in[i] = unit(-22.0f, 22.0f);
                other[i] = unit(0.0f, 1.4f);
            }
            const auto same = [&](auto&& call) {
                Line a{};
                Line b{};
                call(plain, a);
                call(*wide, b);
                return std::memcmp(a.data(), b.data(), sizeof a) == 0;
            };
            QVERIFY(same([&](const Kernels& k, Line& out) { k.exp2(0.003f, in.data(), out.data()); }));
            QVERIFY(same([&](const Kernels& k, Line& out) { k.tan(other.data(), 1.41f, out.data()); }));
            QVERIFY(same([&](const Kernels& k, Line& out) { k.addSine(5.0f, other.data(), out.data(), 51); }));
            QVERIFY(same([&](const Kernels& k, Line& out) { k.decay(1.0f, -0.7f, 0.999f, out.data(), 61); }));
            QVERIFY(same([&](const Kernels& k, Line& out) {
                SvfCoefficients c;
                k.svf(other.data(), other.data(), c);
                out = c.toTwo;
            }));
            QVERIFY(same([&](const Kernels& k, Line& out) { out[0] = k.dot(in.data(), other.data(), kRun); }));
            const Extent a = plain.extent(in.data());
            const Extent b = wide->extent(in.data());
            QVERIFY(a.low == b.low && a.high == b.high && a.numbers && b.numbers);
            in[round % kRun] = std::nanf("");
            QVERIFY(!plain.extent(in.data()).numbers && !wide->extent(in.data()).numbers);
        }
    }
};

QTEST_GUILESS_MAIN(KernelsTest)
#include "kernels_test.moc"
