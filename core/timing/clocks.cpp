#include "timing/clocks.h"

#include "blocks/parts/gate.h"
#include "engine/graph.h"
#include "engine/render.h"
#include "timing/lines.h"

#include <algorithm>
#include <cmath>
#include <set>

namespace lariat {
namespace {

constexpr double kRate = 48000.0;
constexpr int kMostBy = 64;     ///< of a simple ratio
constexpr double kExact = 2e-5; ///< part by which a ratio may differ and still be exact
constexpr double kEven = 2e-4;  ///< part by which two distances may differ

/// Inputs that count pulses: of blocks that are stepped, whatever the panel calls them.
bool isClock(const PartInfo& part, const JackInfo& jack) {
    if (jack.output) return false;
    const JackSpec& spec =
        part.blocks[static_cast<std::size_t>(jack.at.block)].type->inputs[static_cast<std::size_t>(jack.at.index)];
    return spec.kind == SignalKind::Clock;
}

bool isReset(const PartInfo& part, const JackInfo& jack) {
    if (jack.output) return false;
    return part.blocks[static_cast<std::size_t>(jack.at.block)]
               .type->inputs[static_cast<std::size_t>(jack.at.index)]
               .id == "reset";
}

/// The nearest fraction with small numbers.
std::pair<int, int> fractionOf(double ratio) {
    std::pair<int, int> best{1, 1};
    double nearest = 1e9;
    for (int by = 1; by <= kMostBy; ++by) {
        const int times = std::max(1, static_cast<int>(std::lround(ratio * by)));
        const double off = std::abs(ratio - static_cast<double>(times) / by) / ratio;
        if (off < 0.5 * nearest || (by == 1 && off < nearest)) {
            nearest = off;
            best = {times, by};
        }
        if (nearest < kExact) break;
    }
    return best;
}

void measure(ClockBranch& branch) {
    const auto& at = branch.pulses;
    if (at.size() < 2) return;
    branch.hertz = static_cast<double>(at.size() - 1) / (at.back() - at.front());
    const double mean = 1.0 / branch.hertz;
    for (std::size_t i = 1; i < at.size(); ++i)
        branch.uneven = branch.uneven || std::abs(at[i] - at[i - 1] - mean) > kEven * mean + 3.0 / kRate;
}

} // namespace

Sentence clockText(const ClockBranch& branch) {
    if (branch.hertz <= 0.0) return say("fewer than two pulses in {:.0f} s", kClockSeconds);
    const double bpm = 60.0 * branch.hertz;
    const double ms = 1e3 / branch.hertz;
    if (branch.uneven && branch.drift == 0.0)
        return say("uneven, {:.2f} Hz on average · {:.1f} BPM", branch.hertz, bpm);
    if (branch.drift != 0.0 && !branch.simple)
        return say("by itself, {:+.0f} ms a minute · {:.2f} Hz · {:.1f} ms · {:.1f} BPM", branch.drift, branch.hertz,
                   ms, bpm);
    if (branch.times == branch.by) return say("{:.2f} Hz · {:.1f} ms · {:.1f} BPM", branch.hertz, ms, bpm);
    if (branch.by == 1) return say("× {} · {:.2f} Hz · {:.1f} ms · {:.1f} BPM", branch.times, branch.hertz, ms, bpm);
    if (branch.times == 1) return say("÷ {} · {:.2f} Hz · {:.1f} ms · {:.1f} BPM", branch.by, branch.hertz, ms, bpm);
    return say("{} : {} · {:.2f} Hz · {:.1f} ms · {:.1f} BPM", branch.times, branch.by, branch.hertz, ms, bpm);
}

Result<ClockTree> clocksOf(const Patch& patch, const Library& library, const std::function<bool(double)>& progress) {
    ClockTree out;
    const auto branchFor = [&](const JackRef& output) -> ClockBranch& {
        auto known = std::ranges::find(out.branches, output, &ClockBranch::output);
        if (known == out.branches.end()) {
            out.branches.push_back({});
            out.branches.back().output = output;
            known = out.branches.end() - 1;
        }
        return *known;
    };
    for (const Post& post : patch.posts) {
        const PartInfo& part = *library.part(post);
        for (const JackInfo& jack : part.jacks) {
            if (isReset(part, jack)) {
                bool counts = false;
                for (const JackInfo& other : part.jacks) counts = counts || isClock(part, other);
                if (counts && !part.has("clock"))
                    out.resets.push_back({post.id, feederOf(patch, library, {post.id, jack.id})});
            }
            if (!isClock(part, jack)) continue;
            const JackRef from = feederOf(patch, library, {post.id, jack.id});
            if (!from.post.empty()) branchFor(from).steps.push_back({post.id, jack.id});
        }
    }
    if (out.branches.empty()) return out;
    // Parents before children: what steps the post of a branch is its parent.
    std::vector<ClockBranch> sorted;
    std::set<std::string> seen;
    const auto add = [&](const auto& self, int parent, int depth, const std::string& post) -> void {
        for (ClockBranch& branch : out.branches) {
            if (branch.output.post != post || std::ranges::count(sorted, branch.output, &ClockBranch::output) > 0)
                continue;
            branch.parent = parent;
            branch.depth = depth;
            sorted.push_back(branch);
            const int here = static_cast<int>(sorted.size()) - 1;
            for (const JackRef& input : branch.steps)
                if (seen.insert(input.post).second) self(self, here, depth + 1, input.post);
        }
    };
    const auto stepped = [&](const std::string& post) {
        return std::ranges::any_of(out.branches, [&](const ClockBranch& branch) {
            return branch.output.post != post && std::ranges::count(branch.steps, post, &JackRef::post) > 0;
        });
    };
    const TempoHome home = tempoHome(patch, library);
    if (home.post) add(add, -1, 0, home.post->id); // the clock that the tempo comes from leads
    for (const ClockBranch& branch : std::vector(out.branches))
        if (!stepped(branch.output.post)) add(add, -1, 0, branch.output.post);
    for (const ClockBranch& branch : std::vector(out.branches)) add(add, -1, 0, branch.output.post); // a ring of clocks
    out.branches = std::move(sorted);

    std::vector<JackRef> probes;
    for (const ClockBranch& branch : out.branches) probes.push_back(branch.output);
    auto renderer = Renderer::make(onlyWhatReaches(patch, library, probes), library, {kRate, false, {}, probes});
    if (!renderer) return tl::unexpected(renderer.error());
    std::vector<GateReader> readers(probes.size());
    double start = 0.0;
    const bool whole = renderer->run(kClockSeconds, [&](const RunView& view) {
        if (progress && std::fmod(start, 512.0 * kRun) == 0.0 && !progress(start / kRate / kClockSeconds)) return false;
        for (std::size_t b = 0; b < probes.size(); ++b) {
            FoundEdges edges;
            readers[b].read(*view.probes[b], 0, kRun, edges);
            for (const Edge& edge : edges.all())
                if (edge.rising) out.branches[b].pulses.push_back((start + static_cast<double>(edge.at)) / kRate);
        }
        start += kRun;
        return true;
    });
    if (!whole) return failure(say("the run was cancelled"));
    for (ClockBranch& branch : out.branches) measure(branch);
    const double lead = out.branches.front().hertz;
    for (ClockBranch& branch : out.branches) {
        if (branch.hertz <= 0.0 || lead <= 0.0) continue;
        const double ratio = branch.hertz / lead;
        std::tie(branch.times, branch.by) = fractionOf(ratio);
        const double exact = static_cast<double>(branch.times) / branch.by;
        // What hangs on the first clock keeps its ratio whatever twelve seconds tell of uneven pulses.
        int root = static_cast<int>(&branch - out.branches.data());
        while (out.branches[static_cast<std::size_t>(root)].parent >= 0)
            root = out.branches[static_cast<std::size_t>(root)].parent;
        const bool hangs = out.branches[static_cast<std::size_t>(root)].output.post == out.branches.front().output.post;
        branch.drift = hangs ? 0.0 : 60'000.0 * (ratio / exact - 1.0);
        branch.simple = hangs ? !branch.uneven : std::abs(branch.drift) < 0.05;
    }
    return out;
}

} // namespace lariat
