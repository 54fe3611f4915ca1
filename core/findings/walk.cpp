#include "findings/walk.h"

#include "findings/fixes.h"
#include "library/meaning.h"
#include "timing/lines.h"

#include <algorithm>
#include <cmath>

namespace lariat {
namespace {

constexpr double kPerVolt = 12.5; ///< per cent that a volt opens: 8 V is all

} // namespace

void append(std::vector<Fix>& to, std::vector<Fix> more) {
    for (Fix& fix : more) to.push_back(std::move(fix));
}

std::vector<const Way*> Walk::fed(const Source& output, Does does) const {
    std::vector<const Way*> ways = map.into(output.node, output.output, does);
    std::erase_if(ways, [&](const Way* way) { return map.feeding(*way).node < 0; });
    return ways;
}

std::vector<const Way*> Walk::free(const Source& output, Does does) const {
    std::vector<const Way*> ways = map.into(output.node, output.output, does);
    std::erase_if(ways, [&](const Way* way) { return map.feeding(*way).node >= 0; });
    return ways;
}

std::vector<const Way*> Walk::waysOut() const {
    std::vector<const Way*> out;
    for (int n = 0; n < map.nodeCount(); ++n)
        if (map.node(n).type->leadsOut)
            for (const Way* way : map.into(n, kOutOfTheCase, Does::Passes)) out.push_back(way);
    return out;
}

Opening Walk::opening(const Way& way) const {
    Opening out;
    if (way.opener < 0) return {100.0, 100.0, 100.0, {}, {}};
    out.byHand = std::abs(map.control(way.node, way.opener));
    out.least = out.most = out.byHand;
    for (const Way* opens : map.openersOf(way)) {
        if (map.feeding(*opens).node < 0) {
            out.free.push_back(opens);
            continue;
        }
        out.fed.push_back(opens);
        const double gain = map.gain(*opens);
        const Life& life = arriving(*opens);
        const double a = kPerVolt * gain * static_cast<double>(gain > 0.0 ? life.floor : life.min);
        const double b = kPerVolt * gain * static_cast<double>(life.max);
        out.least += std::min(a, b);
        out.most += std::max(a, b);
    }
    return out;
}

bool Walk::movesInScenes(int node, int control) const {
    const auto knob = map.knobAt(node, control);
    if (!knob) return false;
    return std::ranges::any_of(o.patch.scenes, [&](const Scene& scene) {
        const auto post = scene.setting.find(knob->post);
        return (post != scene.setting.end() && post->second.contains(knob->knob->id)) ||
               std::ranges::any_of(scene.moves, [&](const Move& move) {
                   return move.post == knob->post && move.knob == knob->knob->id;
               });
    });
}

std::string Walk::postOf(int node) const {
    const std::string& post = map.node(node).post;
    if (o.patch.post(post)) return post;
    for (int n = 0; n < map.nodeCount(); ++n)
        for (const Source& source : map.node(n).inputs)
            if (source.node == node && o.patch.post(map.node(n).post)) return map.node(n).post;
    return post;
}

std::string Walk::inputName(const Way& way) const {
    const JackRef jack = map.inputJack(way.node, way.input);
    if (!jack.post.empty() && o.patch.post(jack.post)) return jackWord(o.patch, *o.library, jack);
    return map.node(way.node).type->inputs[idx(way.input)].name;
}

Link Walk::link(const Source& source) const {
    Link out{map.outputJack(source.node, source.output), source.cable, {}};
    if (out.jack.post.empty()) out.jack.post = postOf(source.node);
    const Life& here = life(source);
    const BlockType& type = *map.node(source.node).type;
    const bool gate = source.output >= 0 && (type.outputs[idx(source.output)].kind == SignalKind::Gate ||
                                             type.outputs[idx(source.output)].kind == SignalKind::Clock);
    if (gate)
        out.reading = say("{} pulses in {:.0f} s", here.rises, o.seconds);
    else if (here.alive())
        out.reading = say("{:.1f}…{:+.1f} V", here.min, here.max);
    else
        out.reading = say("{:.1f} V, unmoved", std::abs(here.mean) < 0.05 ? 0.0 : here.mean);
    return out;
}

std::vector<Fix> Walk::turn(int node, int control, double value) const {
    const auto knob = map.knobAt(node, control);
    if (!knob) return {};
    // The knob keeps its place on the dial; what it sets now has a unit of its own.
    const double place = knob->scale->toFraction(std::clamp(value, knob->scale->min, knob->scale->max));
    const double own = knob->scale == &knob->knob->scale ? value : knob->knob->scale.toValue(place);
    const double set = std::clamp(own, knob->knob->scale.min, knob->knob->scale.max);
    return {{say("Turn {} of {} to {}", knob->knob->name, o.nameOf(knob->post), knob->scale->text(value)),
             {SetKnob{knob->post, knob->knob->id, set}}}};
}

std::vector<Fix> Walk::raise(int node, int control) const {
    const ControlSpec& spec = map.node(node).type->controls[idx(control)];
    if (spec.scale.taper == Taper::Switch) return turn(node, control, 0.0);
    if (spec.scale.unit == Unit::Decibels) return turn(node, control, std::max(spec.initial, -6.0));
    const auto knob = map.knobAt(node, control);
    const double usual = knob ? knob->knob->initial : spec.initial;
    const double most = spec.scale.max;
    return turn(node, control, std::abs(usual) > 0.02 * most ? usual : 0.8 * most);
}

std::vector<JackRef> Walk::outputsThat(const std::function<bool(const Node&, const JackSpec&)>& fit) const {
    std::vector<JackRef> out;
    for (const Post& post : o.patch.posts) {
        const PartInfo& part = *o.library->part(post);
        for (const JackInfo& jack : part.jacks) {
            if (!jack.output) continue;
            const PartBlock& block = part.blocks[idx(jack.at.block)];
            Node node;
            node.post = post.id;
            node.type = block.type;
            if (fit(node, block.type->outputs[idx(jack.at.index)])) out.push_back({post.id, jack.id});
        }
    }
    return out;
}

std::vector<Fix> Walk::fullAlong(Source source) const {
    std::vector<Fix> fixes;
    for (int guard = 0; guard < 16 && source.node >= 0; ++guard) {
        const auto passing = fed(source, Does::Passes);
        if (passing.empty()) break;
        for (const int level : passing.front()->levels)
            if (std::abs(map.gain(*passing.front())) < 0.99) append(fixes, turn(source.node, level, 100.0));
        source = map.feeding(*passing.front());
    }
    return fixes;
}

std::vector<JackRef> Walk::envelopes(const std::string& voice) const {
    // Up from zero, struck by something, its first output.
    std::vector<JackRef> envelopes = outputsThat([](const Node& node, const JackSpec& jack) {
        return jack.kind == SignalKind::Control && jack.min >= 0.0f && &jack == node.type->outputs.data() &&
               std::ranges::any_of(flowsOf(*node.type), [](const Flow& flow) { return flow.does == Does::Strikes; });
    });
    std::stable_partition(envelopes.begin(), envelopes.end(),
                          [&](const JackRef& jack) { return o.patch.post(jack.post)->voice == voice; });
    return envelopes;
}

std::vector<Fix> Walk::open(const Way& way) const {
    std::vector<Fix> fixes;
    const Post* post = o.patch.post(postOf(way.node));
    const std::vector<JackRef> envelopes = this->envelopes(post ? post->voice : "");
    for (const Way* opens : map.openersOf(way)) {
        const JackRef to = map.inputJack(opens->node, opens->input);
        if (to.post.empty() || o.patch.cableInto(to)) continue;
        for (const JackRef& envelope : envelopes)
            if (fixes.size() < 4) fixes.push_back(tieFix(o, envelope, to));
        break;
    }
    append(fixes, turn(way.node, way.opener, 80.0));
    return fixes;
}

std::vector<Fix> Walk::drive(const Way& way) const {
    const JackRef to = map.inputJack(way.node, way.input);
    if (to.post.empty() || !o.patch.post(to.post) || o.patch.cableInto(to)) return {};
    const std::string voice = o.patch.post(to.post)->voice;
    const SignalKind wanted = way.does == Does::Times ? SignalKind::Clock : SignalKind::Gate;
    std::vector<JackRef> sources;
    const auto add = [&](const JackRef& jack) {
        if (jack.post != to.post && std::ranges::find(sources, jack) == sources.end()) sources.push_back(jack);
    };
    if (way.does == Does::Times) {
        for (const Cable& cable : o.patch.cables) { // what times others already
            const JackInfo* jack = o.jack(cable.from);
            if (jack && jack->kind == wanted) add(cable.from);
        }
        for (const JackRef& jack : outputsThat([](const Node&node, const JackSpec&spec) {
                 return node.type->countsBeats && spec.kind == SignalKind::Clock;
             }))
            add(jack);
        // Sixteenths are what patterns are written in.
        std::stable_partition(sources.begin(), sources.end(),
                              [](const JackRef& jack) { return jack.jack == "sixteenths"; });
    } else {
        // The gate that belongs to the tune of the same voice, else what opens others in it, else any.
        for (const Cable& cable : o.patch.cables) {
            if (cable.voice != voice) continue;
            const auto line = lineAt(o.patch, *o.library, cable.from);
            const auto sequencer = line ? sequencerOf(o.patch, *o.library, line->post) : std::nullopt;
            if (!sequencer) continue;
            for (const SequencerLine& one : sequencer->lines)
                if (one.at == *line && !one.gate.empty()) add({line->post, one.gate});
        }
        for (const Cable& cable : o.patch.cables)
            if (const JackInfo* jack = o.jack(cable.from); jack && jack->kind == wanted && cable.voice == voice)
                add(cable.from);
        for (const JackRef& jack : outputsThat([](const Node&node, const JackSpec&spec) {
                 return spec.kind == SignalKind::Gate && (node.type->playsPattern || node.type->isPlayed);
             }))
            add(jack);
    }
    std::vector<Fix> fixes;
    for (const Cable& cable : o.patch.cables) // it is plugged in beside
        if (const JackInfo* jack = o.jack(cable.from);
            cable.to.post == to.post && jack && jack->kind == wanted && o.jack(cable.to)->kind != wanted)
            fixes.push_back(moveFix(o, cable, cable.from, to));
    for (const JackRef& source : sources)
        if (fixes.size() < 4) fixes.push_back(tieFix(o, source, to));
    return fixes;
}

std::vector<Fix> Walk::otherOutput(int cable) const {
    const Cable* tied = o.patch.cable(cable);
    if (!tied) return {};
    const PartInfo* part = o.part(tied->from.post);
    std::vector<Fix> fixes;
    const JackInfo* wanted = o.jack(tied->to);
    for (const bool sameKind : {true, false})
        for (const JackInfo& jack : part->jacks)
            if (jack.output && jack.id != tied->from.jack && (jack.kind == wanted->kind) == sameKind &&
                fixes.size() < 4)
                fixes.push_back(moveFix(o, *tied, {tied->from.post, jack.id}, tied->to));
    return fixes;
}

std::vector<Fix> Walk::otherInput(int cable) const {
    const Cable* tied = o.patch.cable(cable);
    if (!tied) return {};
    const JackInfo* source = o.jack(tied->from);
    std::vector<Fix> fixes;
    for (const bool sameKind : {true, false})
        for (const JackInfo& jack : o.part(tied->to.post)->jacks)
            if (!jack.output && jack.id != tied->to.jack && (jack.kind == source->kind) == sameKind &&
                !o.patch.cableInto({tied->to.post, jack.id}) && fixes.size() < 4)
                fixes.push_back(moveFix(o, *tied, tied->from, {tied->to.post, jack.id}));
    return fixes;
}

std::vector<Fix> Walk::rest(int node) const {
    std::vector<Fix> fixes;
    const auto& controls = map.node(node).type->controls;
    for (std::size_t c = 0; c < controls.size(); ++c) {
        const auto knob = map.knobAt(node, static_cast<int>(c));
        if (!knob || knob->scale != &knob->knob->scale) continue;
        const double now = map.control(node, static_cast<int>(c));
        if (std::abs(knob->scale->toFraction(now) - knob->scale->toFraction(knob->knob->initial)) > 0.02 &&
            fixes.size() < 6)
            append(fixes, turn(node, static_cast<int>(c), knob->knob->initial));
    }
    return fixes;
}

} // namespace lariat
