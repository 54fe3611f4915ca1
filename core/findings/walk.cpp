#include "findings/walk.h"

#include "findings/fixes.h"
#include "library/meaning.h"
#include "timing/lines.h"

#include <algorithm>
#include <cmath>

#include <fmt/format.h>

namespace lariat {
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

std::span<const float> Walk::volts(const Source& source) const {
    return source.node < 0 ? std::span<const float>{} : o.at(map.outputJack(source.node, source.output));
}

std::span<const float> Walk::volts(const Way& way) const {
    for (const Source& source : behind(map.feeding(way)))
        if (const auto found = volts(source); !found.empty()) return found;
    return {};
}

std::span<const float> Walk::comingOut(const Source& source) const {
    std::vector<Source> open = {source};
    for (std::size_t i = 0; i < open.size(); ++i) {
        const Source here = open[i];
        if (const auto found = volts(here); !found.empty()) return found;
        for (int n = 0; n < map.nodeCount(); ++n)
            for (const Way& way : map.ways(n)) {
                const Source from = map.feeding(way);
                const bool known = std::ranges::any_of(
                    open, [&](const Source& one) { return one.node == n && one.output == way.output; });
                if (way.does == Does::Passes && from.node == here.node && from.output == here.output &&
                    from.cable == 0 && way.output >= 0 && !known)
                    open.push_back({n, way.output, 0});
            }
    }
    return {};
}

std::vector<Source> Walk::behind(const Source& source) const {
    std::vector<Source> found;
    const auto add = [&](const Source& one) {
        if (one.node >= 0 && std::ranges::none_of(found, [&](const Source& known) {
                return known.node == one.node && known.output == one.output;
            }))
            found.push_back(one);
    };
    add(source);
    for (std::size_t i = 0; i < found.size(); ++i) {
        const Source here = found[i];
        for (const Way* way : fed(here, Does::Passes)) add(map.feeding(*way));
    }
    return found;
}

Source Walk::origin(Source source) const {
    std::set<int> been;
    while (source.node >= 0 && been.insert(source.node).second) {
        const auto passing = fed(source, Does::Passes);
        if (passing.size() != 1 || map.makesTime(source.node)) break;
        source = map.feeding(*passing.front());
    }
    return source;
}

std::optional<SignalKind> Walk::kindOf(const Source& source) const {
    if (source.node < 0 || source.output < 0) return std::nullopt;
    return map.node(source.node).type->outputs[idx(source.output)].kind;
}

bool Walk::isGate(const Source& source) const {
    const auto kind = kindOf(source);
    return kind == SignalKind::Gate || kind == SignalKind::Clock;
}

bool Walk::oscillates(const Source& source) const {
    if (kindOf(source) != SignalKind::Audio) return false;
    const auto& ways = map.ways(source.node);
    const auto one = [&](Does does) {
        return std::ranges::any_of(ways, [&](const Way& way) { return way.does == does; });
    };
    return one(Does::Tunes) && !one(Does::Passes) && !one(Does::Times) && !one(Does::Strikes);
}

std::set<std::pair<int, int>> Walk::heard() const {
    std::set<std::pair<int, int>> found;
    std::vector<Source> open;
    const auto add = [&](const Way& way) {
        const Source source = map.feeding(way);
        if (source.node >= 0 && found.insert({source.node, source.output}).second) open.push_back(source);
    };
    for (const Way* way : waysOut()) add(*way);
    while (!open.empty()) {
        const Source here = open.back();
        open.pop_back();
        for (const Way& way : map.ways(here.node))
            if (way.output == here.output) add(way);
    }
    return found;
}

std::set<int> Walk::upstream(int node) const {
    std::set<int> found = {node};
    std::vector<int> open = {node};
    while (!open.empty()) {
        const int here = open.back();
        open.pop_back();
        for (const Source& source : map.node(here).inputs)
            if (source.node >= 0 && found.insert(source.node).second) open.push_back(source.node);
    }
    return found;
}

int Walk::cableFrom(const Source& source) const {
    const JackRef jack = map.outputJack(source.node, source.output);
    return jack.post.empty() ? 0 : o.cableFrom(jack);
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
        const double a = kOpensPerVolt * gain * static_cast<double>(gain > 0.0 ? life.floor : life.min);
        const double b = kOpensPerVolt * gain * static_cast<double>(life.max);
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

std::string Walk::name(int node) const {
    const Node& one = map.node(node);
    for (int n = 0; n < map.nodeCount(); ++n)
        if (n != node && map.node(n).post == one.post && map.node(n).type == one.type)
            return fmt::format("{} ({})", o.nameOf(postOf(node)), one.key.substr(one.key.find('/') + 1));
    return o.nameOf(postOf(node));
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
            if (std::abs(map.gain(*passing.front())) < 0.99 &&
                map.node(source.node).type->controls[idx(level)].scale.unit == Unit::Percent)
                append(fixes, turn(source.node, level, 100.0));
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
