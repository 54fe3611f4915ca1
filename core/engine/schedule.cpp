#include "engine/schedule.h"

#include "library/meaning.h"

#include <algorithm>
#include <cmath>

#if defined(__SSE2__)
#include <immintrin.h>
#endif

namespace lariat {
namespace {

constexpr double kGlideSeconds = 0.005; ///< time constant of a knob's way to its new value

} // namespace

Schedule::Schedule(const Patch& patch, const Library& library, const EngineSettings& settings, Taps& taps,
                   std::span<const JackRef> alsoHeard)
    : rate_(settings.rate), approach_(static_cast<float>(1.0 - std::exp(-kRun / settings.rate / kGlideSeconds))) {
    const Graph graph = buildGraph(patch, library, {alsoHeard, settings.realCase, settings.silenced});
    normals_ = graph.normals;
    addNodes(graph, settings);
    addGroups(graph, patch, library);
    for (const Control& control : controls_) ramps_.push_back({control.now, 0.0f});
    moving_.reserve(controls_.size());
    for (const Post& post : patch.posts) {
        const PartInfo& part = *library.part(post);
        for (const KnobInfo& knob : part.knobs) {
            const BlockPoint at = knobInForce(patch, post, part, knob).at;
            if (const RunningNode* node = running(post, part, at))
                knobSlots_[{post.id, knob.id}] = static_cast<int>(node->firstControl) + at.index;
        }
    }
    addTaps(graph, taps);
    if (!settings.listened.post.empty()) listened_ = signal(settings.listened);
}

const Schedule::RunningNode* Schedule::running(const Post& post, const PartInfo& part, const BlockPoint& at) const {
    const auto it = nodeByKey_.find(post.id + "/" + part.blocks[static_cast<std::size_t>(at.block)].id);
    return it == nodeByKey_.end() ? nullptr : &nodes_[it->second];
}

void Schedule::addNodes(const Graph& graph, const EngineSettings& settings) {
    std::size_t outputs = 0;
    for (const Node& node : graph.nodes) outputs += static_cast<std::size_t>(std::ranges::count(node.heard, true));
    signals_.reserve(outputs);
    for (const Node& node : graph.nodes) {
        RunningNode running;
        running.key = node.key;
        running.post = node.post;
        running.type = node.type;
        running.block = node.type->make();
        Setup setup = node.setup;
        setup.rate = settings.rate;
        running.block->prepare(setup);
        running.firstControl = controls_.size();
        running.controlCount = node.controls.size();
        for (std::size_t c = 0; c < node.controls.size(); ++c) {
            const auto value = static_cast<float>(node.controls[c]);
            controls_.push_back({value, value, node.type->controls[c].scale.taper == Taper::Switch});
        }
        for (const bool heard : node.heard) {
            if (heard) signals_.emplace_back();
            running.outputs.push_back(heard ? &signals_.back() : nullptr);
        }
        nodeByKey_[running.key] = nodes_.size();
        nodes_.push_back(std::move(running));
    }
    for (std::size_t n = 0; n < graph.nodes.size(); ++n)
        for (const Source& source : graph.nodes[n].inputs)
            nodes_[n].inputs.push_back(
                source.node < 0
                    ? nullptr
                    : nodes_[static_cast<std::size_t>(source.node)].outputs[static_cast<std::size_t>(source.output)]);
}

void Schedule::addGroups(const Graph& graph, const Patch& patch, const Library& library) {
    for (const Group& group : orderNodes(graph)) {
        RunningGroup running;
        for (const int node : group.nodes) running.nodes.push_back(static_cast<std::size_t>(node));
        for (const LateInput& late : group.late) {
            RunningNode& node = nodes_[static_cast<std::size_t>(late.node)];
            const auto input = static_cast<std::size_t>(late.input);
            auto delayed = std::make_unique<Signal>();
            const Signal* from = node.inputs[input];
            node.inputs[input] = delayed.get();
            running.late.push_back({from, std::move(delayed), 0.0f, node.key + "." + node.type->inputs[input].id});
            const int cableId = graph.nodes[static_cast<std::size_t>(late.node)].inputs[input].cable;
            if (const Cable* cable = patch.cable(cableId)) {
                lateCables_.push_back({cableId, cable->to});
            } else {
                JackRef to{node.post, node.type->inputs[input].id};
                if (const PartInfo* part = library.part(*patch.post(node.post)))
                    if (const JackInfo* jack = part->jackFor(node.type->id, to.jack)) to.jack = jack->id;
                lateCables_.push_back({0, to});
            }
        }
        groups_.push_back(std::move(running));
    }
}

void Schedule::addTaps(const Graph& graph, Taps& taps) {
    for (const auto& [jack, source] : graph.outputs)
        if (const Signal* signal =
                nodes_[static_cast<std::size_t>(source.node)].outputs[static_cast<std::size_t>(source.output)])
            jackSignals_[jack] = signal;
    for (const auto& [ref, signal] : jackSignals_) {
        auto& tap = taps[ref];
        if (!tap) tap = std::make_shared<Tap>();
        taps_.emplace_back(signal, tap);
    }
}

/// Only controls that are on their way cost anything.
void Schedule::moveControls() {
    std::erase_if(moving_, [this](std::size_t c) {
        Control& control = controls_[c];
        const float away = control.target - control.now;
        const bool arrived = control.isSwitch || std::abs(away) <= 1e-5f * (std::abs(control.target) + 1e-3f);
        if (arrived) control.now = control.target;
        const float next = arrived ? control.target : control.now + approach_ * away;
        ramps_[c] = {control.now, (next - control.now) / static_cast<float>(kRun)};
        control.now = next;
        control.moving = !arrived;
        return arrived;
    });
}

void Schedule::startMoving(std::size_t control) {
    if (controls_[control].moving) return;
    controls_[control].moving = true;
    moving_.push_back(control);
}

void Schedule::call(RunningNode& node, Frame& frame, int begin, int end) {
    frame.begin = begin;
    frame.end = end;
    frame.inputs = node.inputs;
    frame.outputs = node.outputs;
    frame.controls = {ramps_.data() + node.firstControl, node.controlCount};
    node.block->process(frame);
    contain(node, begin, end);
}

void Schedule::contain(RunningNode& node, int begin, int end) {
    bool good = true;
    for (Signal* out : node.outputs)
        if (out && !(end == begin + 1 && std::abs((*out)[begin]) <= kLinearVolts) &&
            !holdInRails(out->volts.data() + begin, end - begin))
            good = false;
    if (good) return;
    ++faults_;
    if (faultyPost_.empty()) faultyPost_.swap(node.post); // keeps the name without allocating
}

void Schedule::run(Transport& transport, bool writeTaps) {
    left_.fill(0.0f);
    right_.fill(0.0f);
    moveControls();
    Frame frame;
    frame.rate = rate_;
    frame.transport = &transport;
    frame.left = left_.data();
    frame.right = right_.data();
    for (Signal& signal : signals_) {
        signal.edgeCount = 0;
        signal.listsEdges = false;
    }
    for (RunningGroup& group : groups_) {
        if (group.late.empty()) {
            for (const std::size_t index : group.nodes) call(nodes_[index], frame, 0, kRun);
            continue;
        }
        for (int i = 0; i < kRun; ++i) {
            for (Late& late : group.late) (*late.delayed)[i] = late.last;
            for (const std::size_t index : group.nodes) call(nodes_[index], frame, i, i + 1);
            for (Late& late : group.late) late.last = (*late.from)[i];
        }
    }
    transport.rewind = false;
    transport.playedCount = 0;
    if (writeTaps)
        for (auto& [signal, tap] : taps_) tap->write(*signal);
}

int Schedule::controlSlot(const std::string& post, const std::string& knob) const {
    const auto it = knobSlots_.find({post, knob});
    return it == knobSlots_.end() ? -1 : it->second;
}

void Schedule::setControl(int slot, float value) {
    if (slot < 0 || static_cast<std::size_t>(slot) >= controls_.size()) return;
    controls_[static_cast<std::size_t>(slot)].target = value;
    startMoving(static_cast<std::size_t>(slot));
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

void Schedule::takeOver(const Schedule& previous) {
    for (const auto& [mine, theirs] : inherited_) {
        RunningNode& node = nodes_[mine];
        const RunningNode& other = previous.nodes_[theirs];
        node.block->adopt(*other.block);
        for (std::size_t c = node.firstControl; c < node.firstControl + node.controlCount; ++c) {
            controls_[c].now = previous.controls_[other.firstControl + c - node.firstControl].now;
            if (controls_[c].now != controls_[c].target) startMoving(c);
        }
    }
    for (const auto& [mine, theirs] : inheritedLate_) mine->last = theirs->last;
}

const Signal* Schedule::signal(const JackRef& output) const {
    const auto it = jackSignals_.find(output);
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
