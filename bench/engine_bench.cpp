// The subtractive voice in the engine against the same voice written as one plain loop; swaps; scaling.
//
// The loop beside it is what one would write by hand: naive band-limited saw (PolyBLEP), the same filter and contour
// formulas, libm's exp2f and tanf for every sample, scalar. The bar: the engine takes no longer than that. Kick, sync
// lead and a loop of two oscillators stand beside their own.
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
    Schedule schedule(patch, workspace().library, {kRate});
    Transport transport;
    for (auto _ : state) {
        for (int run = 0; run < static_cast<int>(kRate) / kRun; ++run) schedule.run(transport);
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

/// Kick: VCO under two contours, one trigger to both and to sync, VCA.
Patch kick() {
    Patch patch = blank();
    post(patch, "clock", "beacon-clock", "clock");
    post(patch, "osc", "anchor-vco", "osc", {{"octave", 1.0}, {"fm-amount", 44.0}});
    post(patch, "bend", "lantern-contours", "1", {{"type", 2.0}, {"decay", 0.05}});
    post(patch, "level", "lantern-contours", "2", {{"type", 2.0}, {"decay", 0.4}});
    post(patch, "vca", "ballast-vcas", "1");
    post(patch, "out", "harbour-out", "out");
    tie(patch, {"clock", "beat"}, {"bend", "gate"});
    tie(patch, {"clock", "beat"}, {"level", "gate"});
    tie(patch, {"clock", "beat"}, {"osc", "sync"});
    tie(patch, {"bend", "out"}, {"osc", "fm"});
    tie(patch, {"osc", "sine"}, {"vca", "in"});
    tie(patch, {"level", "out"}, {"vca", "lin-cv"});
    tie(patch, {"vca", "out"}, {"out", "left"});
    return patch;
}

void kickPatch(benchmark::State& state) {
    runPatch(state, kick());
}
BENCHMARK(kickPatch)->Unit(benchmark::kMillisecond)->Repetitions(5)->ReportAggregatesOnly();

void kickByHand(benchmark::State& state) {
    const FlushDenormals flush;
    float phase = 0.0f;
    float bend = 0.0f;
    float level = 0.0f;
    int tick = 0;
    const auto rate = static_cast<float>(kRate);
    float out = 0.0f;
    for (auto _ : state) {
        for (int i = 0; i < static_cast<int>(kRate); ++i) {
            if (++tick == 48000) {
                tick = 0;
                phase = 0.0f;
                bend = level = 1.0f;
            }
            bend -= bend * 0.001f;
            level -= level * 0.0001f;
            phase += 32.7f * exp2f(0.44f * 8.0f * bend) / rate;
            if (phase >= 1.0f) phase -= 1.0f;
            out = 5.0f * sinf(6.2831853f * phase) * level;
        }
        benchmark::DoNotOptimize(out);
    }
}
BENCHMARK(kickByHand)->Unit(benchmark::kMillisecond)->Repetitions(5)->ReportAggregatesOnly();

/// Sync lead: leader's pulse into follower's sync, contour on the follower's pitch, saw out.
Patch syncLead() {
    Patch patch = blank();
    post(patch, "clock", "beacon-clock", "clock");
    post(patch, "leader", "anchor-vco", "osc", {{"octave", 3.0}});
    post(patch, "follower", "anchor-vco", "osc", {{"fm-amount", 30.0}});
    post(patch, "env", "lantern-contours", "1", {{"type", 2.0}});
    post(patch, "out", "harbour-out", "out");
    tie(patch, {"leader", "pulse"}, {"follower", "sync"});
    tie(patch, {"clock", "beat"}, {"env", "gate"});
    tie(patch, {"env", "out"}, {"follower", "fm"});
    tie(patch, {"follower", "saw"}, {"out", "left"});
    return patch;
}

void syncPatch(benchmark::State& state) {
    runPatch(state, syncLead());
}
BENCHMARK(syncPatch)->Unit(benchmark::kMillisecond)->Repetitions(5)->ReportAggregatesOnly();

/// PolyBLEP at wraps and at sync, both with sub-sample time, libm per sample.
void syncByHand(benchmark::State& state) {
    const FlushDenormals flush;
    float leader = 0.0f;
    float follower = 0.0f;
    float envelope = 0.0f;
    float held = 0.0f; // one sample late, so that a corner can be mended on both sides
    int tick = 0;
    const auto rate = static_cast<float>(kRate);
    float out = 0.0f;
    for (auto _ : state) {
        for (int i = 0; i < static_cast<int>(kRate); ++i) {
            if (++tick == 48000) {
                tick = 0;
                envelope = 1.0f;
            }
            envelope -= envelope * 0.0002f;
            const float leaderStep = 130.8128f * exp2f(0.0f) / rate;
            const float step = 261.6256f * exp2f(0.3f * 8.0f * envelope) / rate;
            leader += leaderStep;
            float now = 0.0f;
            const auto mend = [&](float t, float jump) { // t: part of a sample since the corner
                held += jump * 0.5f * t * t;
                now -= jump * 0.5f * (1.0f - t) * (1.0f - t);
            };
            if (leader >= 1.0f) {
                leader -= 1.0f;
                const float t = leader / leaderStep;
                const float reached = follower + step * (1.0f - t);
                mend(t, -2.0f * reached);
                follower = step * t;
            } else {
                follower += step;
                if (follower >= 1.0f) {
                    follower -= 1.0f;
                    mend(follower / step, -2.0f);
                }
            }
            now += 2.0f * follower - 1.0f;
            out = 5.0f * held;
            held = now;
        }
        benchmark::DoNotOptimize(out);
    }
}
BENCHMARK(syncByHand)->Unit(benchmark::kMillisecond)->Repetitions(5)->ReportAggregatesOnly();

/// Two oscillators that bend each other: a loop, sample by sample.
Patch crossModulation() {
    Patch patch = blank();
    post(patch, "a", "anchor-vco", "osc", {{"fm-amount", 20.0}});
    post(patch, "b", "anchor-vco", "osc", {{"fm-amount", 20.0}, {"octave", 5.0}});
    post(patch, "out", "harbour-out", "out");
    tie(patch, {"a", "triangle"}, {"b", "fm"});
    tie(patch, {"b", "triangle"}, {"a", "fm"});
    tie(patch, {"a", "triangle"}, {"out", "left"});
    return patch;
}

void crossPatch(benchmark::State& state) {
    runPatch(state, crossModulation());
}
BENCHMARK(crossPatch)->Unit(benchmark::kMillisecond)->Repetitions(5)->ReportAggregatesOnly();

void crossByHand(benchmark::State& state) {
    const FlushDenormals flush;
    float a = 0.0f;
    float b = 0.0f;
    float outA = 0.0f;
    float outB = 0.0f;
    const auto rate = static_cast<float>(kRate);
    const auto triangle = [](float& phase, float step) { // corners mended by polynomials (PolyBLAMP)
        phase += step;
        if (phase >= 1.0f) phase -= 1.0f;
        float y = 1.0f - 4.0f * std::abs(phase - 0.5f);
        const auto mend = [&](float distance, float sign) {
            if (distance >= 0.0f && distance < step) {
                const float t = 1.0f - distance / step;
                y += sign * 8.0f * step * t * t * t / 6.0f;
            }
        };
        mend(phase, 1.0f);
        mend(1.0f - phase, 1.0f);
        mend(phase - 0.5f, -1.0f);
        mend(0.5f - phase, -1.0f);
        return 5.0f * y;
    };
    for (auto _ : state) {
        for (int i = 0; i < static_cast<int>(kRate); ++i) {
            const float stepA = 261.6256f * exp2f(0.2f * outB) / rate;
            const float stepB = 523.2511f * exp2f(0.2f * outA) / rate;
            outA = triangle(a, stepA);
            outB = triangle(b, stepB);
        }
        benchmark::DoNotOptimize(outA);
    }
}
BENCHMARK(crossByHand)->Unit(benchmark::kMillisecond)->Repetitions(5)->ReportAggregatesOnly();

/// Filter into itself: what a loop costs beside the same blocks without one.
Patch filterChain(bool loop) {
    Patch patch = blank();
    post(patch, "osc", "anchor-vco", "osc");
    post(patch, "vcf", "skerry-filter", "filter", {{"level-2", 30.0}});
    post(patch, "vca", "ballast-vcas", "1", {{"offset", 60.0}});
    post(patch, "out", "harbour-out", "out");
    tie(patch, {"osc", "saw"}, {"vcf", "in-1"});
    tie(patch, {"vcf", "low"}, {"vca", "in"});
    tie(patch, loop ? JackRef{"vca", "out"} : JackRef{"osc", "saw"}, {"vcf", "in-2"});
    tie(patch, {"vca", "out"}, {"out", "left"});
    return patch;
}

void filterStraight(benchmark::State& state) {
    runPatch(state, filterChain(false));
}
BENCHMARK(filterStraight)->Unit(benchmark::kMillisecond)->Repetitions(5)->ReportAggregatesOnly();
void filterIntoItself(benchmark::State& state) {
    runPatch(state, filterChain(true));
}
BENCHMARK(filterIntoItself)->Unit(benchmark::kMillisecond)->Repetitions(5)->ReportAggregatesOnly();

/// The largest shipped patch.
void largestBuild(benchmark::State& state) {
    runPatch(state,
             *openPatch(std::filesystem::path(LARIAT_SOURCE) / "data/demo/signal-mast.json", workspace().library));
}
BENCHMARK(largestBuild)->Unit(benchmark::kMillisecond);

void scaling(benchmark::State& state) {
    runPatch(state, chain(static_cast<int>(state.range(0))));
    state.counters["blocks"] = static_cast<double>(state.range(0));
}
BENCHMARK(scaling)->Arg(10)->Arg(100)->Arg(1000)->Unit(benchmark::kMillisecond);

void lampPatch(benchmark::State& state) {
    runPatch(state, *openPatch(std::filesystem::path(LARIAT_SOURCE) / "data/demo/lamp.json", workspace().library));
}
BENCHMARK(lampPatch)->Unit(benchmark::kMillisecond);

/// Lamp to a file's rate: everything that `lariat-cli render` does but writing the file.
void renderLamp(benchmark::State& state) {
    const Patch patch = *openPatch(std::filesystem::path(LARIAT_SOURCE) / "data/demo/lamp.json", workspace().library);
    RenderOptions options;
    options.seconds = 1.0;
    for (auto _ : state) benchmark::DoNotOptimize(render(patch, workspace().library, options)->mix.back());
}
BENCHMARK(renderLamp)->Unit(benchmark::kMillisecond);

/// A quarter of a second of a patch of 36 cables, from the patch as a value: what a search does a thousand times.
/// Beside it the running alone.
void shortRender(benchmark::State& state) {
    const Patch patch =
        *openPatch(std::filesystem::path(LARIAT_SOURCE) / "data/demo/signal-mast.json", workspace().library);
    RenderOptions options;
    options.seconds = 0.25;
    options.fileRate = 0.0;
    for (auto _ : state) benchmark::DoNotOptimize(render(patch, workspace().library, options)->left.back());
    state.counters["cables"] = static_cast<double>(patch.cables.size());
}
BENCHMARK(shortRender)->Unit(benchmark::kMillisecond);
void shortRun(benchmark::State& state) {
    const Patch patch =
        *openPatch(std::filesystem::path(LARIAT_SOURCE) / "data/demo/signal-mast.json", workspace().library);
    auto renderer = Renderer::make(patch, workspace().library, {});
    for (auto _ : state) {
        renderer->reset();
        renderer->run(0.25, [](const RunView& view) {
            benchmark::DoNotOptimize(view.left[0]);
            return true;
        });
    }
}
BENCHMARK(shortRun)->Unit(benchmark::kMillisecond);

/// Compiling a patch of 200 cables, which is what an edit costs besides the cross-fade.
void compile200(benchmark::State& state) {
    const Patch patch = chain(199);
    for (auto _ : state) {
        Schedule schedule(patch, workspace().library, {kRate});
        benchmark::DoNotOptimize(schedule.blockCount());
    }
}
BENCHMARK(compile200)->Unit(benchmark::kMillisecond);

} // namespace
