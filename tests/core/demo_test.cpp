// The demo: three mistakes that are found, and a sound that is what its names say.
#include "engine/render.h"
#include "measure/measure.h"
#include "support/patches.h"
#include "units/level.h"
#include "units/pitch.h"

#include <QtTest>

#include <set>

using namespace lariat;
using namespace lariat::test;

namespace {

Patch cured() {
    Patch patch = lamp();
    for (const Finding& finding : findingsIn(patch, 6.0)) patch = *applyEdits(patch, finding.fixes.front().edits);
    return patch;
}

Rendering rendered(const Patch& patch, double seconds, std::vector<JackRef> probes) {
    RenderOptions options;
    options.seconds = seconds;
    options.probes = std::move(probes);
    return *render(patch, workspace().library, options);
}

} // namespace

class DemoTest : public QObject {
    Q_OBJECT

  private Q_SLOTS:
    void itIsWhatTheScenarioSays() {
        const Patch patch = lamp();
        QCOMPARE(patch.cables.size(), std::size_t{21});
        QCOMPARE(patch.patterns[0]->tracks[0].steps.size(), std::size_t{8});
        QCOMPARE(patch.post("clock")->knobs.at("tempo"), 112.0);
        QCOMPARE(patch.caseId, std::string("keepers-case"));
    }

    void threeMistakesAreFound() {
        std::multiset<std::string> rules;
        for (const Finding& finding : findingsIn(lamp(), 6.0)) rules.insert(finding.rule);
        QCOMPARE(rules, (std::multiset<std::string>{"pitch-on-follower", "sustain-not-reached", "zero-attenuator"}));
    }

    void curedItHasNone() { QVERIFY(findingsIn(cured(), 6.0).empty()); }

    void itNeedsNoMoreCablesThanThereAre() {
        const Patch patch = lamp();
        std::map<std::pair<int, std::string>, int> used;
        for (const Cable& cable : patch.cables) ++used[{cable.lengthCm, cable.colour}];
        for (const CableStock& stock : workspace().housing(patch)->cables) {
            auto& count = used[{stock.lengthCm, stock.colour}];
            QVERIFY2(count <= stock.count, stock.colour.c_str());
            count = 0;
        }
        for (const auto& [kind, left] : used) QCOMPARE(left, 0); // every kind is owned
    }

    /// The synced lead sounds at the leader's pitch while its colour moves.
    void theLeadFollowsTheLeader() {
        const Patch patch = cured();
        const Rendering made =
            rendered(patch, 6.0, {jackRef("osc-a.saw"), jackRef("osc-b.pulse"), jackRef("tracks.pitch-1")});
        const auto& tune = made.probes.at(jackRef("tracks.pitch-1"));
        const auto edges = risingEdges(made.probes.at(jackRef("osc-b.pulse")), 96000.0, 0.0);
        // Within a step the leader's period is that of its pitch cable plus its tuning of D above C.
        int compared = 0;
        for (std::size_t n = 50; n + 8 < edges.size(); n += 13) {
            const auto at = static_cast<std::size_t>(edges[n] * 96000.0);
            const auto end = static_cast<std::size_t>(edges[n + 8] * 96000.0);
            if (tune[at] != tune[end]) continue;
            const double hertz = 8.0 / (edges[n + 8] - edges[n]);
            const double expected = noteToHertz(50).value * std::exp2(static_cast<double>(tune[at]));
            QVERIFY2(std::abs(ratioToCents(hertz / expected).value) < 1.0,
                     qPrintable(QStringLiteral("%1 %2").arg(hertz).arg(expected)));
            ++compared;
        }
        QVERIFY(compared > 5);
    }

    void theSweepChangesItsBrightness() {
        const Rendering made = rendered(cured(), 3.0, {jackRef("osc-a.saw"), jackRef("tracks.gate-1")});
        const auto& saw = made.probes.at(jackRef("osc-a.saw"));
        const auto gates = risingEdges(made.probes.at(jackRef("tracks.gate-1")), 96000.0);
        // Crossings of zero per second stand for brightness: many at the start of a note, few at its end.
        const auto crossings = [&](double from, double to) {
            int count = 0;
            for (auto i = static_cast<std::size_t>(from * 96000.0) + 1; i < static_cast<std::size_t>(to * 96000.0); ++i)
                count += (saw[i - 1] < 0.0f) != (saw[i] < 0.0f);
            return count / (to - from);
        };
        const double start = gates[4];
        QVERIFY(crossings(start + 0.005, start + 0.03) > 1.5 * crossings(start + 0.1, start + 0.13));
    }

    /// A kick is low, falls in pitch, dies away, and every hit is the same.
    void theKickIsAKick() {
        const Rendering made = rendered(lamp(), 6.0, {jackRef("vca-2.out"), jackRef("tracks.drum-1")});
        const auto& kick = made.probes.at(jackRef("vca-2.out"));
        const auto hits = risingEdges(made.probes.at(jackRef("tracks.drum-1")), 96000.0);
        QVERIFY(hits.size() >= 12);
        const auto piece = [&](double from, double to) {
            return std::span(kick).subspan(static_cast<std::size_t>(from * 96000.0),
                                           static_cast<std::size_t>((to - from) * 96000.0));
        };
        // Loudest within 30 ms, 40 dB down before the next beat.
        const double peak = measureLevel(piece(hits[0], hits[0] + 0.03)).peak().value;
        QVERIFY(peak > 4.0);
        QVERIFY(toDecibels(measureLevel(piece(hits[0] + 0.42, hits[0] + 0.5)).peak().value / peak).value < -40.0);
        // Periods from one rise through zero to the next grow and settle on D1.
        std::vector<double> rises;
        const auto hit = piece(hits[0], hits[0] + 0.33);
        for (std::size_t i = 1; i < hit.size(); ++i)
            if (hit[i - 1] < 0.0f && hit[i] >= 0.0f)
                rises.push_back(
                    (static_cast<double>(i) - static_cast<double>(hit[i]) / static_cast<double>(hit[i] - hit[i - 1])) /
                    96000.0);
        QVERIFY(rises.size() > 6);
        QVERIFY(rises[2] - rises[1] < 0.7 * (rises[rises.size() - 1] - rises[rises.size() - 2]));
        const double tail = 2.0 / (rises[rises.size() - 2] - rises[rises.size() - 4]);
        qInfo("tail %.2f Hz, %.1f cents from D1", tail, ratioToCents(tail / noteToHertz(26).value).value);
        QVERIFY(std::abs(ratioToCents(tail / noteToHertz(26).value).value) < 5.0);
        // Hit against hit: below 0.1 %, laid over one another at the exact times of their steps.
        const auto at = [&](double seconds) {
            const double place = seconds * 96000.0 - 1.0; // the clock starts with the sample before the first
            const auto i = static_cast<std::size_t>(place);
            const double part = place - static_cast<double>(i);
            return (1.0 - part) * static_cast<double>(kick[i]) + part * static_cast<double>(kick[i + 1]);
        };
        double worst = 0.0;
        for (const int step : {4, 8, 12, 14, 16, 20, 24, 28, 30}) {
            double difference = 0.0;
            double power = 0.0;
            for (int i = 100; i < 9600; ++i) {
                const double first = at(16 * 15.0 / 112.0 + i / 96000.0);
                difference += std::pow(first - at(step * 15.0 / 112.0 + i / 96000.0), 2);
                power += first * first;
            }
            worst = std::max(worst, std::sqrt(difference / power));
        }
        qInfo("hits differ by %.3f %%", 100.0 * worst);
        QVERIFY(worst < 0.001);
    }

    void theMixIsSafeToHear() {
        const Rendering made = rendered(lamp(), 8.0, {});
        const LevelReading level = measureLevel(made.left);
        QVERIFY(toDbfs(level.peak()).value < -3.0 && toDbfs(level.peak()).value > -20.0);
        QVERIFY(std::abs(level.mean.value) < 0.1);
        QCOMPARE(made.faults, std::uint64_t{0});
        QCOMPARE(made.mix.size(), std::size_t{2 * 8 * 48000});
    }
};

QTEST_APPLESS_MAIN(DemoTest)
#include "demo_test.moc"
