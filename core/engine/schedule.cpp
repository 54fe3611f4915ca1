#include "engine/schedule.h"

#include "library/meaning.h"

#include <algorithm>
#include <cmath>
#include <limits>

#if defined(__SSE2__)
#include <immintrin.h>
#endif

namespace lariat {
namespace {

constexpr double kGlideSeconds = 0.005; ///< time constant of a knob's way to its new value

/// More than half of the run lies beyond the exact range.
bool atRails(const Signal& signal) {
    if (signal.high <= kLinearVolts && signal.low >= -kLinearVolts) return false;
    return std::ranges::count_if(signal.volts, [](float v) { return std::abs(v) > 0.98f * kLinearVolts; }) > kRun / 2;
}

} // namespace

Schedule::Schedule(const Patch& patch, const Library& library, const EngineSettings& settings,
                   std::span<const JackRef> alsoHeard)
    : rate_(settings.rate), approach_(static_cast<float>(-std::expm1(-kRun / settings.rate / kGlideSeconds))) {
    std::vector<JackRef> heard(alsoHeard.begin(), alsoHeard.end());
    if (!settings.listened.post.empty()) heard.push_back(settings.listened);
    const Graph graph = buildGraph(patch, library, {heard, settings.realCase, settings.silenced});
    normals_ = graph.normals;
    addNodes(graph, settings);
    addGroups(graph, patch, library);
    for (const Control& control : controls_) ramps_.push_back({control.now, 0.0f});
    moving_.reserve(controls_.size());
    bindNodes(settings);
    chooseTicks();
    mapJacks(graph, patch, library);
    if (!settings.listened.post.empty()) listened_ = signal(settings.listened);
    if (settings.scenes) followLines(patch, library);
}

namespace {

bool hasUses(const KnobInfo& knob) {
    return std::ranges::any_of(knob.meanings, [](const Meaning& meaning) { return meaning.at.has_value(); });
}

} // namespace

void Schedule::followLines(const Patch& patch, const Library& library) {
    for (AutomationLine& line : automationOf(patch, library)) {
        const Post& post = *patch.post(line.post);
        const PartInfo& part = *library.part(post);
        const KnobInfo& knob = *part.knob(line.knob);
        const int slot = controlSlot(line.post, line.knob);
        if (slot < 0) continue;
        const int routed = hasUses(knob) ? routedFor(post, part, knob, patch) : -1;
        if (movesMeanings(part, knob.id)) // turned, it gives others another use
            for (const KnobInfo& other : part.knobs)
                if (hasUses(other)) (void)routedFor(post, part, other, patch);
        following_.push_back({std::move(line), slot, -1, routed});
    }
}

/// The place among those with several uses; plugs stay as they are as long as the patch does.
int Schedule::routedFor(const Post& post, const PartInfo& part, const KnobInfo& knob, const Patch& patch) {
    const auto known =
        std::ranges::find_if(routed_, [&](const Routed& one) { return one.post == post.id && one.knob == knob.id; });
    if (known != routed_.end()) return static_cast<int>(known - routed_.begin());
    Routed out{post.id, knob.id, knob.scale, knob.scale.toFraction(knobValue(post, knob)), {}, 0, false};
    const auto add = [&](const BlockPoint& at, const Scale& scale, std::vector<std::pair<int, int>> when) {
        const PartBlock& block = part.blocks[idx(at.block)];
        const auto fixed = block.fixed.find(at.index);
        const double rest = fixed != block.fixed.end() ? fixed->second : block.type->controls[idx(at.index)].initial;
        const RunningNode* node = running(post, part, at);
        const int slot = node ? static_cast<int>(node->firstControl) + at.index : -1;
        out.uses.push_back({std::move(when), slot, scale, static_cast<float>(rest)});
    };
    for (const Meaning& meaning : knob.meanings) {
        if (!meaning.plugged.empty() && !patch.cableInto({post.id, meaning.plugged})) continue;
        std::vector<std::pair<int, int>> when;
        bool may = true;
        for (const ModeInfo& mode : meaning.modes) {
            const KnobInfo* other = part.knob(mode.knob);
            const int slot = controlSlot(post.id, mode.knob);
            if (slot >= 0)
                when.emplace_back(slot, mode.position);
            else
                may = may && other && std::lround(knobValue(post, *other)) == mode.position;
        }
        if (may) add(meaning.at.value_or(knob.at), meaning.at ? meaning.scale : knob.scale, std::move(when));
    }
    add(knob.at, knob.scale, {});
    while (!std::ranges::all_of(out.uses[out.current].when, [&](const auto& one) {
        return std::lround(controls_[idx(one.first)].target) == one.second;
    }))
        ++out.current;
    routed_.push_back(std::move(out));
    return static_cast<int>(routed_.size()) - 1;
}

/// Brings the knobs with several uses to what they set now.
void Schedule::route() {
    for (Routed& one : routed_) {
        std::size_t now = 0;
        while (!std::ranges::all_of(one.uses[now].when, [&](const auto& mode) {
            return std::lround(controls_[idx(mode.first)].target) == mode.second;
        }))
            ++now;
        if (now == one.current && !one.moved) continue;
        const Use& before = one.uses[one.current];
        const Use& use = one.uses[now];
        const auto value = static_cast<float>(use.scale.toValue(one.place));
        if (before.slot != use.slot) {
            moveControl(before.slot, before.rest, 0);
            moveControl(use.slot, value, 0);
        } else {
            setControl(use.slot, value);
        }
        one.current = now;
        one.moved = false;
    }
}

const Schedule::RunningNode* Schedule::running(const Post& post, const PartInfo& part, const BlockPoint& at) const {
    const auto it = nodeByKey_.find(post.id + "/" + part.blocks[idx(at.block)].id);
    return it == nodeByKey_.end() ? nullptr : &nodes_[it->second];
}

void Schedule::addNodes(const Graph& graph, const EngineSettings& settings) {
    std::size_t outputs = 0;
    std::size_t lists = 0;
    const auto eachHeard = [](const Node& node, auto&& call) {
        for (std::size_t o = 0; o < node.heard.size(); ++o)
            if (node.heard[o]) call(o, node.type->outputs[o].mayListEdges());
    };
    for (const Node& node : graph.nodes)
        eachHeard(node, [&](std::size_t, bool listing) {
            ++outputs;
            lists += listing ? 1 : 0;
        });
    signals_.reserve(outputs);
    edges_.reserve(lists);
    for (const Node& node : graph.nodes) {
        RunningNode running;
        running.key = node.key;
        running.post = node.post;
        running.type = node.type;
        running.block = node.type->make();
        running.setup = node.setup;
        running.setup.rate = settings.rate;
        running.block->start(running.setup);
        running.firstControl = controls_.size();
        running.controlCount = node.controls.size();
        for (std::size_t c = 0; c < node.controls.size(); ++c) {
            const auto value = static_cast<float>(node.controls[c]);
            const bool isSwitch = node.type->controls[c].scale.taper == Taper::Switch;
            controls_.push_back({.now = value, .target = value, .isSwitch = isSwitch});
        }
        running.outputs.resize(node.heard.size(), nullptr);
        eachHeard(node, [&](std::size_t o, bool listing) {
            signals_.emplace_back();
            if (listing) signals_.back().list = &edges_.emplace_back();
            running.outputs[o] = &signals_.back();
            running.heard |= std::uint64_t{1} << o;
        });
        nodeByKey_[running.key] = nodes_.size();
        nodes_.push_back(std::move(running));
    }
    for (std::size_t n = 0; n < graph.nodes.size(); ++n)
        for (std::size_t i = 0; i < graph.nodes[n].inputs.size(); ++i) {
            const Source& source = graph.nodes[n].inputs[i];
            nodes_[n].inputs.push_back(source.node < 0 ? &silence()
                                                       : nodes_[idx(source.node)].outputs[idx(source.output)]);
            if (source.node >= 0) nodes_[n].plugged |= std::uint64_t{1} << i;
        }
}

Schedule::Step Schedule::stepOf(const RunUnit& unit) {
    RunningNode& node = nodes_[idx(unit.node)];
    const auto& sections = node.type->sections;
    std::vector<Signal*> outs;
    for (std::size_t o = 0; o < node.outputs.size(); ++o)
        if (node.outputs[o] && (sections.empty() || (sections[idx(unit.section)].outputs >> o & 1u) != 0))
            outs.push_back(node.outputs[o]);
    stepOuts_.push_back(std::move(outs));
    return {.block = node.block.get(),
            .section = unit.section,
            .node = unit.node,
            .outs = stepOuts_.back().data(),
            .outCount = static_cast<int>(stepOuts_.back().size())};
}

void Schedule::addGroups(const Graph& graph, const Patch& patch, const Library& library) {
    for (const Group& group : orderNodes(graph)) {
        RunningGroup running;
        for (const RunUnit& unit : group.units) {
            running.steps.push_back(stepOf(unit));
            Block* block = running.steps.back().block;
            if (std::ranges::find(running.blocks, block) == running.blocks.end()) running.blocks.push_back(block);
        }
        for (const LateInput& late : group.late) addLate(running, late, graph, patch, library);
        groups_.push_back(std::move(running));
    }
}

void Schedule::addLate(RunningGroup& group, const LateInput& late, const Graph& graph, const Patch& patch,
                       const Library& library) {
    RunningNode& node = nodes_[idx(late.node)];
    const auto input = idx(late.input);
    auto delayed = std::make_unique<Signal>();
    const Signal* from = node.inputs[input];
    node.inputs[input] = delayed.get();
    group.late.push_back({from, std::move(delayed), 0.0f, node.key + "." + node.type->inputs[input].id});
    const int cableId = graph.nodes[idx(late.node)].inputs[input].cable;
    if (const Cable* cable = patch.cable(cableId)) {
        lateCables_.push_back({cableId, cable->to});
        return;
    }
    JackRef to{node.post, node.type->inputs[input].id};
    const Post* post = patch.post(node.post);
    if (const PartInfo* part = post ? library.part(*post) : nullptr)
        if (const JackInfo* jack = part->jackFor(node.type->id, to.jack)) to.jack = jack->id;
    lateCables_.push_back({0, to});
}

void Schedule::bindNodes(const EngineSettings& settings) {
    for (RunningNode& node : nodes_) {
        node.block->bind({.inputs = node.inputs.data(),
                          .outputs = node.outputs.data(),
                          .controls = ramps_.data() + node.firstControl,
                          .plugged = node.plugged,
                          .heard = node.heard,
                          .rate = settings.rate,
                          .world = &world_});
        if (node.type->leadsOut)
            for (const Signal* in : node.inputs) leadingOut_.push_back(in);
    }
}

void Schedule::chooseTicks() {
    for (RunningGroup& group : groups_)
        for (Step& step : group.steps) step.tick = step.block->tick();
}

void Schedule::mapJacks(const Graph& graph, const Patch& patch, const Library& library) {
    for (const Post& post : patch.posts) {
        const PartInfo& part = *library.part(post);
        for (const KnobInfo& knob : part.knobs) {
            const BlockPoint at = knobInForce(patch, post, part, knob).at;
            if (const RunningNode* node = running(post, part, at))
                knobSlots_[{post.id, knob.id}] = static_cast<int>(node->firstControl) + at.index;
        }
    }
    for (const auto* jacks : {&graph.outputs, &graph.inputs})
        for (const auto& [jack, source] : *jacks)
            if (const Signal* signal = nodes_[idx(source.node)].outputs[idx(source.output)])
                jackSignals_[jack] = signal;
}

/// Only controls that are on their way cost anything.
void Schedule::moveControls() {
    std::erase_if(moving_, [this](std::size_t c) {
        Control& control = controls_[c];
        const float away = control.target - control.now;
        bool arrived = control.isSwitch || std::abs(away) <= 1e-5f * (std::abs(control.target) + 1e-3f);
        float next = control.target;
        if (control.runsLeft > 0 && !control.isSwitch) {
            // The last run of a straight way ends at the target; the next one finds it arrived.
            arrived = false;
            next = control.runsLeft == 1 ? control.target : control.now + away / static_cast<float>(control.runsLeft);
            --control.runsLeft;
        } else if (!arrived) {
            next = control.now + approach_ * away;
        }
        if (arrived) control.now = control.target;
        ramps_[c] = {control.now, (next - control.now) / static_cast<float>(kRun)};
        control.now = next;
        control.moving = !arrived;
        return arrived;
    });
}

/// Where the song is at the start of this run is told by the run before; where it will be at its end, by how far that
/// one went.
void Schedule::followScenes(const Transport& transport) {
    if (following_.empty()) return;
    const double begin = transport.rewind ? 0.0 : transport.beats;
    const double went = begin - lastBeats_;
    const double end = begin + (transport.running && went > 0.0 && went < 1.0 ? went : 0.0);
    lastBeats_ = begin;
    for (Following& one : following_) {
        Control& control = controls_[idx(one.slot)];
        // A switch stands where the scene wants it when a step falls on the scene's first beat, inside this run.
        const int piece = one.line.pieceAt(control.isSwitch ? end : begin);
        if (piece < 0) {
            one.piece = piece;
            continue;
        }
        const AutomationPiece& now = one.line.pieces[idx(piece)];
        const bool fresh = piece != one.piece;
        one.piece = piece;
        if (one.routed >= 0) {
            Routed& knob = routed_[idx(one.routed)];
            if (!fresh && begin - went >= now.to) continue; // it has arrived
            knob.place = knob.scale.toFraction(one.line.valueAt(piece, end));
            knob.moved = true;
            continue;
        }
        if (begin < now.to && !control.isSwitch) { // on the way
            const auto from = static_cast<float>(one.line.valueAt(piece, begin));
            const auto to = static_cast<float>(one.line.valueAt(piece, end));
            ramps_[idx(one.slot)] = {from, (to - from) / static_cast<float>(kRun)};
            control.now = control.target = to;
            control.runsLeft = 0;
            startMoving(idx(one.slot)); // so that its ramp is flat again when it has arrived
            continue;
        }
        if (control.isSwitch) { // at once, and from one position to the next where it is on its way
            const auto there = static_cast<float>(one.line.valueAt(piece, end));
            if (!fresh && control.target == there) continue;
            control.now = control.target = there;
            ramps_[idx(one.slot)] = {there, 0.0f};
            continue;
        }
        if (fresh || (begin >= now.to && begin - went < now.to))
            setControl(one.slot, static_cast<float>(one.line.valueAt(piece, std::max(begin, now.to))));
    }
    route();
}

void Schedule::startMoving(std::size_t control) {
    if (controls_[control].moving) return;
    controls_[control].moving = true;
    moving_.push_back(control);
}

void Schedule::fault(int node) {
    ++faults_;
    if (firstFault_ < 0) firstFault_ = node;
}

void Schedule::runOnce(const RunningGroup& group) {
    for (const Step& step : group.steps) {
        step.block->run(0, kRun, step.section);
        bool good = true;
        for (int o = 0; o < step.outCount; ++o) good = finishRun(*step.outs[o]) && good;
        if (!good) fault(step.node);
    }
}

void Schedule::runLoop(RunningGroup& group) {
    for (Block* block : group.blocks) block->beforeTicks();
    for (int i = 0; i < kRun; ++i) {
        for (Late& late : group.late) (*late.delayed)[i] = late.last;
        for (const Step& step : group.steps) {
            step.tick(*step.block, i, step.section);
            for (int o = 0; o < step.outCount; ++o)
                if (float& volts = (*step.outs[o])[i]; !(std::abs(volts) <= kLinearVolts)) [[unlikely]]
                    if (!holdInRails(volts)) fault(step.node);
        }
        for (Late& late : group.late) late.last = (*late.from)[i];
    }
    for (const Step& step : group.steps)
        for (int o = 0; o < step.outCount; ++o) {
            finishRun(*step.outs[o]);
            howls_ = howls_ || atRails(*step.outs[o]);
        }
}

void Schedule::run(Transport& transport) {
    world_.transport = &transport;
    world_.left.fill(0.0f);
    world_.right.fill(0.0f);
    howls_ = false;
    moveControls();
    followScenes(transport);
    for (EdgeList& list : edges_) list.clear();
    for (RunningGroup& group : groups_)
        if (group.late.empty())
            runOnce(group);
        else
            runLoop(group);
    transport.rewind = false;
    transport.playedCount = 0;
}

void Schedule::reset() {
    for (RunningNode& node : nodes_) {
        node.block->start(node.setup);
        node.block->bind({.inputs = node.inputs.data(),
                          .outputs = node.outputs.data(),
                          .controls = ramps_.data() + node.firstControl,
                          .plugged = node.plugged,
                          .heard = node.heard,
                          .rate = rate_,
                          .world = &world_});
    }
    for (Signal& signal : signals_) {
        signal.volts.fill(0.0f);
        signal.low = signal.high = 0.0f;
    }
    for (RunningGroup& group : groups_)
        for (Late& late : group.late) late.last = 0.0f;
    for (std::size_t c = 0; c < controls_.size(); ++c) {
        Control& control = controls_[c];
        control.now = control.target;
        control.runsLeft = 0;
        control.moving = false;
        ramps_[c] = {control.now, 0.0f};
    }
    moving_.clear();
    for (Following& one : following_) one.piece = -1;
    lastBeats_ = 0.0;
    faults_ = 0;
    firstFault_ = -1;
}

int Schedule::controlSlot(const std::string& post, const std::string& knob) const {
    const auto it = knobSlots_.find({post, knob});
    return it == knobSlots_.end() ? -1 : it->second;
}

void Schedule::setControl(int slot, float value) {
    if (slot < 0 || idx(slot) >= controls_.size()) return;
    controls_[idx(slot)].target = value;
    controls_[idx(slot)].runsLeft = 0;
    startMoving(idx(slot));
}

void Schedule::moveControl(int slot, float value, int runs) {
    if (slot < 0 || idx(slot) >= controls_.size()) return;
    Control& control = controls_[idx(slot)];
    control.target = value;
    control.runsLeft = std::max(0, runs);
    if (runs <= 0) control.now = value;
    startMoving(idx(slot));
}

std::vector<int> Schedule::playersOf(const std::string& post) const {
    std::vector<int> players;
    for (std::size_t n = 0; n < nodes_.size(); ++n)
        if (nodes_[n].post == post) players.push_back(static_cast<int>(n));
    return players;
}

int Schedule::tellerOf(const std::string& post) const {
    for (std::size_t n = 0; n < nodes_.size(); ++n) {
        if (nodes_[n].post != post) continue;
        Told told;
        told.fill(std::numeric_limits<int>::min());
        nodes_[n].block->tell(told);
        if (told[0] != std::numeric_limits<int>::min()) return static_cast<int>(n);
    }
    return -1;
}

bool Schedule::pinned() const {
    return std::ranges::any_of(leadingOut_, [](const Signal* signal) { return atRails(*signal); }) ||
           (listened_ && atRails(*listened_));
}

void Schedule::inheritFrom(const Schedule& previous) {
    inherited_.clear();
    inheritedLate_.clear();
    for (std::size_t mine = 0; mine < nodes_.size(); ++mine)
        if (const auto theirs = previous.nodeByKey_.find(nodes_[mine].key);
            theirs != previous.nodeByKey_.end() && nodes_[mine].type == previous.nodes_[theirs->second].type)
            inherited_.emplace_back(mine, theirs->second);
    for (RunningGroup& group : groups_)
        for (Late& late : group.late)
            for (const RunningGroup& other : previous.groups_)
                for (const Late& theirs : other.late)
                    if (theirs.key == late.key) inheritedLate_.emplace_back(&late, &theirs);
}

void Schedule::takeOver(Schedule& previous) {
    for (const auto& [mine, theirs] : inherited_) {
        RunningNode& node = nodes_[mine];
        const RunningNode& other = previous.nodes_[theirs];
        node.block->adopt(*other.block);
        for (std::size_t c = node.firstControl; c < node.firstControl + node.controlCount; ++c) {
            const Control& before = previous.controls_[other.firstControl + (c - node.firstControl)];
            Control& control = controls_[c];
            control.now = control.isSwitch ? control.target : before.now;
            control.runsLeft = before.target == control.target ? before.runsLeft : 0;
            ramps_[c] = {control.now, 0.0f};
            if (control.now != control.target) startMoving(c);
        }
    }
    for (const auto& [mine, theirs] : inheritedLate_) mine->last = theirs->last;
}

const Signal* Schedule::signal(const std::string& key, int output) const {
    const auto it = nodeByKey_.find(key);
    return it == nodeByKey_.end() ? nullptr : nodes_[it->second].outputs[idx(output)];
}

const Signal* Schedule::signal(const JackRef& jack) const {
    const auto it = jackSignals_.find(jack);
    return it == jackSignals_.end() ? nullptr : it->second;
}

#if defined(__SSE2__)
FlushDenormals::FlushDenormals() : before_(_mm_getcsr()) {
    _mm_setcsr(before_ | 0x8040u);
}
FlushDenormals::~FlushDenormals() {
    _mm_setcsr(before_);
}
#else
FlushDenormals::FlushDenormals() = default;
FlushDenormals::~FlushDenormals() = default;
#endif

} // namespace lariat
