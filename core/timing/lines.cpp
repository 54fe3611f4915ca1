#include "timing/lines.h"

#include "engine/graph.h"

#include <algorithm>
#include <cmath>
#include <numeric>
#include <set>

#include <fmt/format.h>

namespace lariat {
namespace {

constexpr int kPerTrack = 5; ///< outputs of a track sequencer's track

/// The line of an output of a block, by the block's own order of outputs.
std::optional<LineRef> lineOfOutput(std::string_view type, int output) {
    if (type == "track-sequencer") {
        const bool lane = output >= 4 * kPerTrack;
        return LineRef{{}, lane, lane ? output - 4 * kPerTrack : output / kPerTrack};
    }
    if (type == "step-sequencer") return LineRef{};
    if (type == "trigger-pattern") return LineRef{{}, true, 0};
    if (type == "quantizer" && output != 2 && output != 3) return LineRef{}; // its second channel has no sequence
    return std::nullopt;
}

LineKind kindOf(std::string_view type, bool lane) {
    if (type == "step-sequencer") return LineKind::Faders;
    if (type == "trigger-pattern") return LineKind::Fill;
    return lane ? LineKind::Lane : LineKind::Track;
}

const PartBlock* sequencingBlock(const PartInfo& part) {
    const auto found = std::ranges::find_if(
        part.blocks, [](const PartBlock& block) { return lineOfOutput(block.type->id, 0).has_value(); });
    return found == part.blocks.end() ? nullptr : &*found;
}

/// Blocks that pass on what comes to one of their inputs as gates: what stands between a sequencer and an envelope.
bool passesGates(const PartInfo& part) {
    return std::ranges::none_of(part.blocks, [](const PartBlock& block) {
        return block.type->id == "clock" || block.type->id == "vco" || block.type->id == "contour";
    });
}

Sequencer describe(const Post& post, const PartInfo& part, const PartBlock& block) {
    Sequencer out;
    out.post = post.id;
    out.plays = block.type->playsPattern;
    const int at = static_cast<int>(&block - part.blocks.data());
    for (const JackInfo& jack : part.jacks) {
        if (jack.at.block != at) continue;
        if (!jack.output) {
            const std::string& id = block.type->inputs[static_cast<std::size_t>(jack.at.index)].id;
            if (id == "clock" || id == "clock-1") out.clock = jack.id;
            continue;
        }
        auto line = lineOfOutput(block.type->id, jack.at.index);
        if (!line) continue;
        line->post = post.id;
        auto known = std::ranges::find(out.lines, *line, &SequencerLine::at);
        if (known == out.lines.end()) {
            out.lines.push_back({*line, kindOf(block.type->id, line->lane), {}, {}});
            known = out.lines.end() - 1;
            (line->lane ? out.lanes : out.tracks) = line->index + 1;
        }
        known->jacks.push_back(jack.id);
        const JackSpec& spec = block.type->outputs[static_cast<std::size_t>(jack.at.index)];
        const bool opens = spec.kind == SignalKind::Gate && !spec.id.starts_with("accent");
        if (opens && (known->gate.empty() || spec.id == "gate")) known->gate = jack.id;
    }
    std::ranges::stable_sort(out.lines, {}, [](const SequencerLine& line) { return line.at; });
    for (const KnobInfo& knob : part.knobs) {
        const std::string& id = block.type->controls[static_cast<std::size_t>(knob.at.index)].id;
        if (knob.at.block == at && (id == "variation" || id == "slot")) {
            out.variationKnob = knob.id;
            out.variations = static_cast<int>(knob.scale.words.size());
        }
    }
    return out;
}

} // namespace

std::vector<Sequencer> sequencersOf(const Patch& patch, const Library& library) {
    std::vector<Sequencer> out;
    for (const Post& post : patch.posts)
        if (auto found = sequencerOf(patch, library, post.id)) out.push_back(std::move(*found));
    return out;
}

std::optional<Sequencer> sequencerOf(const Patch& patch, const Library& library, const std::string& post) {
    const Post* found = patch.post(post);
    const PartInfo* part = found ? library.part(*found) : nullptr;
    const PartBlock* block = part ? sequencingBlock(*part) : nullptr;
    if (!block) return std::nullopt;
    return describe(*found, *part, *block);
}

std::optional<LineRef> lineAt(const Patch& patch, const Library& library, const JackRef& output) {
    const Post* post = patch.post(output.post);
    const PartInfo* part = post ? library.part(*post) : nullptr;
    const JackInfo* jack = part ? part->jack(output.jack) : nullptr;
    if (!jack || !jack->output) return std::nullopt;
    auto line = lineOfOutput(part->blocks[static_cast<std::size_t>(jack->at.block)].type->id, jack->at.index);
    if (line) line->post = output.post;
    return line;
}

std::optional<LineRef> lineBehind(const Patch& patch, const Library& library, const JackRef& input) {
    std::vector<JackRef> open = {input};
    std::set<std::string> seen;
    for (std::size_t next = 0; next < open.size(); ++next) {
        const JackRef from = feederOf(patch, library, open[next]);
        if (from.post.empty()) continue;
        if (auto line = lineAt(patch, library, from)) return line;
        const PartInfo* part = library.part(*patch.post(from.post));
        if (!part || !passesGates(*part) || !seen.insert(from.post).second) continue;
        for (const JackInfo& jack : part->jacks)
            if (!jack.output) open.push_back({from.post, jack.id});
    }
    return std::nullopt;
}

Patch onlyWhatReaches(const Patch& patch, const Library& library, const std::vector<JackRef>& jacks) {
    std::vector<std::string> posts;
    const auto visit = [&](const std::string& post) {
        if (!post.empty() && std::ranges::find(posts, post) == posts.end()) posts.push_back(post);
    };
    for (const JackRef& jack : jacks) visit(jack.post);
    for (std::size_t next = 0; next < posts.size(); ++next) {
        const std::string here = posts[next];
        for (const JackInfo& jack : library.part(*patch.post(here))->jacks)
            if (!jack.output) visit(feederOf(patch, library, {here, jack.id}).post);
    }
    Patch out = patch;
    std::erase_if(out.cables,
                  [&](const Cable& cable) { return std::ranges::find(posts, cable.to.post) == posts.end(); });
    return out;
}

Sentence tooMuchFor(const Sequencer& sequencer, const Pattern& pattern) {
    const auto more = [](std::size_t count, int room) { return count > static_cast<std::size_t>(room); };
    if (const std::size_t count = pattern.others.size() + 1; more(count, sequencer.variations))
        return say("{} variations are written, this module has {}", count, sequencer.variations);
    for (int v = 0; v <= static_cast<int>(pattern.others.size()); ++v) {
        if (const std::size_t count = pattern.tracksOf(v).size(); more(count, sequencer.tracks))
            return say("{} tracks are written, this module has {}", count, sequencer.tracks);
        if (const std::size_t count = pattern.lanesOf(v).size(); more(count, sequencer.lanes))
            return say("{} lanes are written, this module has {}", count, sequencer.lanes);
    }
    return {};
}

long pulsesOf(const Stride& stride, std::size_t steps) {
    auto count = static_cast<long>(steps);
    if (stride.direction == Direction::Pendulum) count = std::max(1L, 2 * count - 2);
    if (!stride.triplets) return count * stride.division;
    return (count % 3 == 0 ? count / 3 : count) * 2L * stride.division;
}

std::vector<int> knobSteps(const Post& post, const PartInfo& part) {
    const KnobInfo* length = part.knob("length");
    if (!length) return {};
    std::vector<int> steps(static_cast<std::size_t>(1 + std::lround(knobValue(post, *length))), 1);
    for (std::size_t i = 0; i < steps.size(); ++i)
        if (const KnobInfo* pulses = part.knob(fmt::format("pulses-{}", i + 1)))
            steps[i] = 1 + static_cast<int>(std::lround(knobValue(post, *pulses)));
    return steps;
}

long cycleOf(const Pattern& pattern, int variation) {
    long whole = 0;
    const auto add = [&](const Stride& stride, std::size_t steps) {
        const long own = pulsesOf(stride, steps);
        whole = whole == 0 ? own : std::lcm(whole, own);
    };
    for (const Track& track : pattern.tracksOf(variation)) add(track.stride, track.steps.size());
    for (const Lane& lane : pattern.lanesOf(variation)) add(lane.stride, lane.hits.size());
    return whole;
}

} // namespace lariat
