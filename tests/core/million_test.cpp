// Exact over 10⁶ events: dividers, shift register, Euclidean patterns, quantizer, sequencer.
#include "engine/solo.h"
#include "support/analysis.h"
#include "support/patches.h"

#include <QtTest>

#include <cmath>
#include <random>

using namespace lariat;
using lariat::test::figure;

namespace {

constexpr long kMillion = 1'000'000;

/// One block under a clock of listed edges, one pulse every `spacing` samples, half of it high.
class Clocked {
  public:
    Clocked(const std::string& type, long spacing, const Setup& setup = {})
        : type_(*findBlockType(type)), spacing_(spacing), solo_(type_, setup) {}
    Clocked& set(const std::string& control, double value) {
        solo_.setControl(index(type_.controls, control), static_cast<float>(value));
        return *this;
    }
    [[nodiscard]] Signal& in(const std::string& jack) { return solo_.feed(index(type_.inputs, jack)); }
    [[nodiscard]] const Signal& out(const std::string& jack) const { return solo_.out(index(type_.outputs, jack)); }

    /// Runs until so many pulses have come. Before each run `feed(start)` may fill inputs, behind it `see(start)`
    /// looks; `start` is the number of the run's first sample.
    template <class Feed, class See> void run(const std::string& clockJack, long pulses, Feed&& feed, See&& see) {
        Transport transport;
        for (long start = 0; start < pulses * spacing_; start += kRun) {
            Signal& clock = in(clockJack);
            clock.list->clear();
            clock.list->listed = true;
            for (int i = 0; i < kRun; ++i) {
                const long place = (start + i) % spacing_;
                clock[i] = place < spacing_ / 2 ? 8.0f : 0.0f;
                if (place == 0) clock.list->add(static_cast<float>(i), true);
                if (place == spacing_ / 2) clock.list->add(static_cast<float>(i), false);
            }
            feed(start);
            solo_.run(transport);
            see(start);
        }
    }

  private:
    template <class List> static std::size_t index(const List& list, const std::string& id) {
        return static_cast<std::size_t>(std::ranges::find_if(list, [&](const auto& spec) { return spec.id == id; }) -
                                        list.begin());
    }
    const BlockType& type_;
    long spacing_;
    Solo solo_;
};

/// Rising edges of an output, as sample times.
void collect(const Signal& out, long start, std::vector<double>& into) {
    for (int e = 0; out.listsEdges() && e < out.list->count; ++e)
        if (const Edge& edge = out.list->edges[idx(e)]; edge.rising)
            into.push_back(static_cast<double>(start) + static_cast<double>(edge.at));
}

} // namespace

class MillionTest : public QObject {
    Q_OBJECT

  private Q_SLOTS:
    void dividers() {
        for (int series = 0; series < 3; ++series) {
            Clocked divider("clock-divider", 8);
            divider.set("series", series);
            std::vector<std::vector<double>> edges(8);
            divider.run(
                "clock", kMillion, [](long) {},
                [&](long start) {
                    for (std::size_t o = 0; o < 8; ++o)
                        collect(divider.out("out-" + std::to_string(o + 1)), start, edges[o]);
                });
            const int divisors[3][8] = {
                {2, 3, 4, 5, 6, 7, 8, 9}, {2, 3, 5, 7, 11, 13, 17, 19}, {2, 4, 8, 16, 32, 64, 128, 256}};
            for (std::size_t o = 0; o < 8; ++o) {
                const int d = divisors[series][o];
                QCOMPARE(static_cast<long>(edges[o].size()), (kMillion + d - 1) / d);
                for (std::size_t n = 0; n < edges[o].size(); ++n)
                    QCOMPARE(edges[o][n], 8.0 * d * static_cast<double>(n));
            }
        }
        figure("clock-divider", "exact over 10⁶ pulses, all 24 divisions");
    }

    void shiftRegister() {
        for (const auto& [mode, period] : {std::pair{1.0, 8}, {2.0, 16}, {3.0, 127}}) {
            Clocked shifted("shift-register", 8);
            shifted.set("mode", mode).set("state", 0b10110001);
            std::vector<bool> bits;
            bits.reserve(kMillion);
            shifted.run(
                "clock", kMillion, [](long) {},
                [&](long) {
                    for (int i = 1; i < kRun; i += 8) bits.push_back(shifted.out("bit-1")[i] > 4.0f);
                });
            const auto p = static_cast<std::size_t>(period);
            bool same = true;
            for (std::size_t i = 0; i + p < bits.size(); ++i) same = same && bits[i] == bits[i + p];
            QVERIFY(same);
            if (period == 127) QCOMPARE(std::count(bits.begin(), bits.begin() + 127, true), std::ptrdiff_t{64});
        }
        figure("shift-register", "periods exact over 10⁶ clocks");
    }

    void euclid() {
        Setup setup;
        setup.rate = 8000.0;
        Clocked pattern("trigger-pattern", 64, setup);
        pattern.set("length", 12).set("fill", 5).set("rotate", 3);
        std::vector<double> hits;
        pattern.run(
            "clock", kMillion, [](long) {}, [&](long start) { collect(pattern.out("hits"), start, hits); });
        std::size_t next = 0;
        for (long step = 0; step < kMillion; ++step) {
            const long place = (step + 13 - 3) % 13;
            if (place * 5 % 13 >= 5) continue;
            QVERIFY(next < hits.size() && hits[next] == 64.0 * static_cast<double>(step));
            ++next;
        }
        QCOMPARE(next, hits.size());
        figure("trigger-pattern", "exact over 10⁶ steps");
    }

    void sequencer() {
        Setup setup;
        setup.rate = 8000.0;
        Pattern seven;
        seven.lanes = {{"seven", test::hits("x..x..."), {}}};
        setup.material.pattern = std::make_shared<const Pattern>(seven);
        Clocked tracks("track-sequencer", 64, setup);
        std::vector<double> hits;
        tracks.run(
            "clock", kMillion, [](long) {}, [&](long start) { collect(tracks.out("drum-1"), start, hits); });
        std::size_t next = 0;
        for (long step = 0; step < kMillion; ++step) {
            if (step % 7 != 0 && step % 7 != 3) continue;
            QVERIFY(next < hits.size() && hits[next] == 64.0 * static_cast<double>(step));
            ++next;
        }
        QCOMPARE(next, hits.size());
        figure("track-sequencer", "exact over 10⁶ steps");
    }

    /// Random voltages, read at each clock: always the nearest note of a major scale, within the hysteresis.
    void quantizer() {
        Clocked quantizer("quantizer", 8);
        quantizer.set("scale", 2).set("mode-1", 2);
        std::mt19937 random(5);
        std::vector<double> played;
        long wrong = 0;
        std::size_t next = 0;
        quantizer.run(
            "clock-1", kMillion,
            [&](long) {
                Signal& in = quantizer.in("in-1");
                for (int i = 0; i < kRun; i += 8) {
                    const double volts = std::uniform_real_distribution<double>(-4.0, 4.0)(random);
                    played.push_back(volts);
                    for (int k = 0; k < 8; ++k) in[i + k] = static_cast<float>(volts);
                }
            },
            [&](long) {
                for (int i = 4; i < kRun; i += 8, ++next) {
                    const double in = 12.0 * played[next];
                    double nearest = 1e9;
                    for (int note = static_cast<int>(in) - 3; note <= static_cast<int>(in) + 3; ++note)
                        if (0xAB5u >> ((note % 12 + 12) % 12) & 1u) nearest = std::min(nearest, std::abs(note - in));
                    const double got = 12.0 * static_cast<double>(quantizer.out("out-1")[i]);
                    const bool whole =
                        std::abs(got - std::round(got)) < 1e-3 && (0xAB5u >> ((std::lround(got) % 12 + 12) % 12) & 1u);
                    if (!whole || std::abs(got - in) > nearest + 0.121) ++wrong;
                }
            });
        QCOMPARE(wrong, 0L);
        figure("quantizer", "nearest note for 10⁶ random voltages");
    }
};

QTEST_GUILESS_MAIN(MillionTest)
#include "million_test.moc"
