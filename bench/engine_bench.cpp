// The subtractive voice in the engine against the same voice written as one plain loop; swaps; scaling.
//
// The loop beside it is what one would write by hand: naive band-limited saw (PolyBLEP), the same filter and contour
// formulas, libm's exp2f and tanf for every sample, scalar. The bar: the engine takes no longer than that.
#include "engine/render.h"
#include "library/check.h"
#include "library/workspace.h"

#include <benchmark/benchmark.h>

#include <cmath>

#include <fmt/format.h>

using namespace lariat;

namespace {

constexpr double kRate = 96000.0;

const Workspace& workspace() {
    static const Workspace shipped = loadWorkspace(std::filesystem::path(LARIAT_SOURCE) / "data");
    return shipped;
}

Patch blank() {
    Patch patch;
    patch.caseId = "keepers-case";
    return patch;
}

void post(Patch& patch, const std::string& id, const std::string& module, const std::string& part,
          std::map<std::string, double> knobs = {}) {
    Post made;
    made.id = made.name = made.slot = id;
    made.module = module;
    made.part = part;
    made.knobs = std::move(knobs);
    patch.posts.push_back(std::move(made));
}

void tie(Patch& patch, JackRef from, JackRef to) {
    patch.cables.push_back({patch.freshCableId(), std::move(from), std::move(to), {}, {}, {}, 0, {}, {}});
}

/// VCO → SVF → VCA, one contour on cutoff and level, gated by a clock.
Patch subtractive() {
    Patch patch = blank();
    post(patch, "clock", "beacon-clock", "clock");
    post(patch, "osc", "anchor-vco", "osc");
    post(patch, "vcf", "skerry-filter", "filter", {{"cutoff", 500.0}, {"resonance", 40.0}, {"amount-1", 30.0}});
    post(patch, "env", "lantern-contours", "1");
    post(patch, "vca", "ballast-vcas", "1");
    post(patch, "out", "harbour-out", "out");
    tie(patch, {"osc", "saw"}, {"vcf", "in-1"});
    tie(patch, {"vcf", "low"}, {"vca", "in"});
    tie(patch, {"clock", "beat"}, {"env", "gate"});
    tie(patch, {"env", "out"}, {"vcf", "cv-1"});
    tie(patch, {"env", "out"}, {"vca", "lin-cv"});
    tie(patch, {"vca", "out"}, {"out", "left"});
    return patch;
}

/// So many attenuverters in a row behind an oscillator.
Patch chain(int blocks) {
    Patch patch = blank();
    post(patch, "osc", "anchor-vco", "osc");
    post(patch, "out", "harbour-out", "out");
    JackRef from{"osc", "sine"};
    for (int i = 0; i < blocks; ++i) {
        const std::string id = fmt::format("a{}", i);
        post(patch, id, "bilge-attenuverters", "1", {{"amount", 99.0}});
        tie(patch, from, {id, "in"});
        from = {id, "out"};
    }
    tie(patch, from, {"out", "left"});
    return patch;
}

/// Runs a patch for a second a round; reports times real time.
void runPatch(benchmark::State& state, const Patch& patch) {
    const FlushDenormals flush;
    Schedule::Taps taps;
    Schedule schedule(patch, workspace().library, {kRate}, taps);
    Transport transport;
    for (auto _ : state) {
        for (int run = 0; run < static_cast<int>(kRate) / kRun; ++run) schedule.run(transport, false);
        benchmark::DoNotOptimize(schedule.left()[0]);
    }
    state.counters["times real time"] =
        benchmark::Counter(static_cast<double>(state.iterations()), benchmark::Counter::kIsRate);
}

void subtractiveVoice(benchmark::State& state) {
    runPatch(state, subtractive());
}
BENCHMARK(subtractiveVoice)->Unit(benchmark::kMillisecond)->Repetitions(5)->ReportAggregatesOnly();

/// The hand-fused loop.
void subtractiveByHand(benchmark::State& state) {
    const FlushDenormals flush;
    float phase = 0.0f;
    float s1 = 0.0f;
    float s2 = 0.0f;
    float envelope = 0.0f;
    bool attacking = true;
    int tick = 0;
    const auto rate = static_cast<float>(kRate);
    float out = 0.0f;
    for (auto _ : state) {
        for (int i = 0; i < static_cast<int>(kRate); ++i) {
            if (++tick == 48000) {
                tick = 0;
                attacking = true;
            }
            envelope += attacking ? (1.2f - envelope) * 0.002f : -envelope * 0.0001f;
            if (envelope >= 1.0f) attacking = false;
            const float step = 261.6256f * exp2f(0.0f) / rate;
            phase += step;
            float saw = 2.0f * phase - 1.0f;
            if (phase >= 1.0f) {
                phase -= 1.0f;
                const float t = phase / step;
                saw = 2.0f * phase - 1.0f - (t + t - t * t - 1.0f);
            } else if (phase > 1.0f - step) {
                const float t = (phase - 1.0f) / step;
                saw -= t * t + t + t + 1.0f;
            }
            const float cutoff = 500.0f * exp2f(0.3f * 8.0f * envelope);
            const float g = tanf(3.14159265f * std::min(cutoff, 43000.0f) / rate);
            const float k = 0.5f;
            const float high = (5.0f * saw - (k + g) * s1 - s2) / (1.0f + g * (k + g));
            const float band = g * high + s1;
            s1 = g * high + band;
            const float low = g * band + s2;
            s2 = g * band + low;
            out = low * envelope;
        }
        benchmark::DoNotOptimize(out);
    }
    state.counters["times real time"] =
        benchmark::Counter(static_cast<double>(state.iterations()), benchmark::Counter::kIsRate);
}
BENCHMARK(subtractiveByHand)->Unit(benchmark::kMillisecond)->Repetitions(5)->ReportAggregatesOnly();

void scaling(benchmark::State& state) {
    runPatch(state, chain(static_cast<int>(state.range(0))));
    state.counters["blocks"] = static_cast<double>(state.range(0));
}
BENCHMARK(scaling)->Arg(10)->Arg(100)->Arg(1000)->Unit(benchmark::kMillisecond);

void lampPatch(benchmark::State& state) {
    runPatch(state, *openPatch(std::filesystem::path(LARIAT_SOURCE) / "data/demo/lamp.json", workspace().library));
}
BENCHMARK(lampPatch)->Unit(benchmark::kMillisecond);

/// Compiling a patch of 200 cables, which is what an edit costs besides the cross-fade.
void compile200(benchmark::State& state) {
    const Patch patch = chain(199);
    Schedule::Taps taps;
    for (auto _ : state) {
        Schedule schedule(patch, workspace().library, {kRate}, taps);
        benchmark::DoNotOptimize(schedule.blockCount());
    }
}
BENCHMARK(compile200)->Unit(benchmark::kMillisecond);

} // namespace
