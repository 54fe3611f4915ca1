#include "flow/flow_map.h"

#include "library/meaning.h"
#include "units/level.h"

#include <algorithm>
#include <cmath>

namespace lariat {
namespace {

constexpr double kNothingDecibels = -59.5; ///< a level in decibels ends in silence here

template <class Spec> int placeOf(const std::vector<Spec>& specs, const std::string& id) {
    const auto it = std::ranges::find(specs, id, &Spec::id);
    return it == specs.end() ? -1 : static_cast<int>(it - specs.begin());
}

double gainOf(const Scale& scale, double value) {
    if (scale.unit == Unit::Decibels) return value <= kNothingDecibels ? 0.0 : toRatio(Decibels{value});
    return scale.unit == Unit::Percent ? 0.01 * value : value / std::max(1e-9, scale.max);
}

} // namespace

FlowMap::FlowMap(const Patch& patch, const Library& library)
    : patch_(patch), library_(&library), graph_(buildGraph(patch_, library)) {
    ways_.resize(graph_.nodes.size());
    for (int n = 0; n < nodeCount(); ++n) addWays(n);
    placeJacks();
}

void FlowMap::addWays(int n) {
    const Node& one = node(n);
    const BlockType& type = *one.type;
    for (const Flow& flow : flowsOf(type)) {
        const bool taken = std::ranges::any_of(flow.unlessPlugged, [&](const std::string& jack) {
            if (const int output = placeOf(type.outputs, jack); output >= 0)
                return (one.setup.pluggedOutputs >> output & 1u) != 0;
            return one.inputs[idx(placeOf(type.inputs, jack))].node >= 0;
        });
        if (taken) continue;
        std::vector<int> outputs;
        for (const std::string& output : flow.outputs) outputs.push_back(placeOf(type.outputs, output));
        if (flow.outputs.empty())
            for (std::size_t o = 0; o < type.outputs.size(); ++o) outputs.push_back(static_cast<int>(o));
        if (outputs.empty() && type.leadsOut) outputs.push_back(kOutOfTheCase);
        for (const std::string& id : flow.inputs) {
            const int input = placeOf(type.inputs, id);
            Way way{n,
                    input,
                    0,
                    flow.does,
                    {},
                    {},
                    placeOf(type.controls, flow.opener),
                    placeOf(type.controls, flow.solo),
                    placeOf(type.controls, flow.feedback),
                    false,
                    flow.rings};
            if (const int amount = placeOf(type.controls, type.inputs[idx(input)].amount); amount >= 0) {
                way.levels.push_back(amount);
                way.hasAmount = true;
            }
            for (const std::string& level : flow.levels) way.levels.push_back(placeOf(type.controls, level));
            for (const std::string& mute : flow.mutes) way.mutes.push_back(placeOf(type.controls, mute));
            for (const int output : outputs) {
                way.output = output;
                ways_[idx(n)].push_back(way);
            }
        }
    }
}

void FlowMap::placeJacks() {
    std::map<std::string, int> byKey;
    for (int n = 0; n < nodeCount(); ++n) byKey[node(n).key] = n;
    blocks_.assign(graph_.nodes.size(), -1);
    for (const auto& [jack, source] : graph_.outputs) outputJacks_.try_emplace({source.node, source.output}, jack);
    for (const Post& post : patch_.posts) {
        const PartInfo& part = *library_->part(post);
        for (std::size_t b = 0; b < part.blocks.size(); ++b) {
            const auto it = byKey.find(post.id + "/" + part.blocks[b].id);
            if (it == byKey.end()) continue;
            blocks_[idx(it->second)] = static_cast<int>(b);
            for (const JackInfo& jack : part.jacks) {
                if (jack.output) continue;
                for (const auto& at : {std::optional(jack.at), jack.right})
                    if (at && at->block == static_cast<int>(b)) {
                        inputJacks_.try_emplace({it->second, at->index}, JackRef{post.id, jack.id});
                        inputs_.try_emplace({post.id, jack.id}, At{it->second, at->index});
                    }
            }
        }
    }
}

std::vector<const Way*> FlowMap::into(int n, int output, Does does) const {
    std::vector<const Way*> out;
    for (const Way& way : ways(n))
        if (way.output == output && way.does == does) out.push_back(&way);
    return out;
}

std::vector<const Way*> FlowMap::openersOf(const Way& way) const {
    std::vector<const Way*> out;
    if (way.opener < 0) return out;
    for (const Way* opens : into(way.node, way.output, Does::Opens))
        if (opens->opener == way.opener) out.push_back(opens);
    return out;
}

bool FlowMap::soloedOut(const Way& way) const {
    if (way.solo < 0 || control(way.node, way.solo) > 0.5) return false;
    return std::ranges::any_of(
        ways(way.node), [&](const Way& other) { return other.solo >= 0 && control(other.node, other.solo) > 0.5; });
}

int FlowMap::shutBy(const Way& way) const {
    const auto& controls = node(way.node).type->controls;
    for (const int mute : way.mutes)
        if (control(way.node, mute) > 0.5) return mute;
    for (const int level : way.levels)
        if (std::abs(gainOf(controls[idx(level)].scale, control(way.node, level))) < 0.002) return level;
    if (soloedOut(way))
        for (const Way& other : ways(way.node))
            if (other.solo >= 0 && control(other.node, other.solo) > 0.5) return other.solo;
    return -1;
}

double FlowMap::gain(const Way& way) const {
    if (shutBy(way) >= 0) return 0.0;
    double gain = 1.0;
    for (const int level : way.levels)
        gain *= gainOf(node(way.node).type->controls[idx(level)].scale, control(way.node, level));
    return gain;
}

JackRef FlowMap::outputJack(int n, int output) const {
    const auto it = outputJacks_.find({n, output});
    return it == outputJacks_.end() ? JackRef{} : it->second;
}

JackRef FlowMap::inputJack(int n, int input) const {
    const auto it = inputJacks_.find({n, input});
    return it == inputJacks_.end() ? JackRef{} : it->second;
}

FlowMap::At FlowMap::inputAt(const JackRef& jack) const {
    const auto it = inputs_.find(jack);
    return it == inputs_.end() ? At{} : it->second;
}

std::optional<KnobRef> FlowMap::knobAt(int n, int control) const {
    const int block = blocks_[idx(n)];
    const Post* post = patch_.post(node(n).post);
    if (block < 0 || !post || control < 0) return std::nullopt;
    const PartInfo& part = *library_->part(*post);
    for (const KnobInfo& knob : part.knobs) {
        const KnobInForce now = knobInForce(patch_, *post, part, knob);
        if (now.at == BlockPoint{block, control} && !knob.momentary) return KnobRef{post->id, &knob, now.scale};
    }
    return std::nullopt;
}

bool FlowMap::makesTime(int n) const {
    const BlockType& type = *node(n).type;
    return type.playsPattern || type.isPlayed || type.playsSample || type.countsBeats ||
           std::ranges::any_of(ways(n),
                               [](const Way& way) { return way.does == Does::Times || way.does == Does::Strikes; });
}

} // namespace lariat
