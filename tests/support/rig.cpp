#include "support/rig.h"

#include "blocks/gate.h"

#include <algorithm>
#include <stdexcept>

namespace lariat::test {
namespace {

template <class List> std::size_t indexOf(const List& list, const std::string& id) {
    const auto it = std::ranges::find_if(list, [&](const auto& item) { return item.id == id; });
    if (it == list.end()) throw std::invalid_argument("no such jack or control: " + id);
    return static_cast<std::size_t>(it - list.begin());
}

const BlockType& typeOf(const std::string& id) {
    const BlockType* type = findBlockType(id);
    if (!type) throw std::invalid_argument("no such block: " + id);
    return *type;
}

} // namespace

Rig::Rig(const std::string& type, double rate, std::uint64_t seed) : type_(typeOf(type)), rate_(rate), seed_(seed) {
    for (const ControlSpec& control : type_.controls) controls_.push_back(control.initial);
    for (const JackSpec& jack : type_.outputs) {
        recorded_[jack.id];
        rising_[jack.id];
        falling_[jack.id];
    }
}

std::size_t Rig::input(const std::string& jack) const {
    return indexOf(type_.inputs, jack);
}

Rig& Rig::set(const std::string& control, double value) {
    controls_[indexOf(type_.controls, control)] = value;
    return *this;
}

Rig& Rig::feed(const std::string& jack, std::function<double(double)> volts) {
    sources_[input(jack)] = {std::move(volts), {}, {}, false};
    return *this;
}

Rig& Rig::feed(const std::string& jack, double volts) {
    return feed(jack, [volts](double) { return volts; });
}

Rig& Rig::pulses(const std::string& jack, std::vector<Pulse> pulses) {
    sources_[input(jack)] = {{}, std::move(pulses), {}, true};
    return *this;
}

Rig& Rig::feed(const std::string& jack, std::vector<float> volts) {
    sources_[input(jack)] = {{}, {}, std::move(volts), false};
    return *this;
}

Rig& Rig::pattern(Pattern pattern) {
    setup.pattern = std::make_shared<const Pattern>(std::move(pattern));
    return *this;
}

void Rig::fill(Signal& signal, const Source& source) const {
    signal.edgeCount = 0;
    signal.listsEdges = source.isPulses;
    const auto start = static_cast<double>(now_);
    for (int i = 0; i < kRun; ++i) {
        const std::size_t at = now_ + static_cast<std::size_t>(i);
        const double time = static_cast<double>(at) / rate_;
        if (source.volts)
            signal[i] = static_cast<float>(source.volts(time));
        else if (!source.isPulses)
            signal[i] = at < source.recording.size() ? source.recording[at] : 0.0f;
        else
            signal[i] = std::ranges::any_of(source.pulses, [&](const Pulse& p) { return time >= p.on && time < p.off; })
                            ? 8.0f
                            : 0.0f;
    }
    const auto edge = [&](double seconds, bool rising) {
        const double place = seconds * rate_ - start;
        if (place > -1.0 && place <= kRun - 1) signal.addEdge(static_cast<float>(place), rising);
    };
    for (const Pulse& pulse : source.pulses) {
        edge(pulse.on, true);
        edge(pulse.off, false);
    }
}

Rig& Rig::run(double seconds) {
    if (!block_) {
        block_ = type_.make();
        setup.rate = rate_;
        setup.seed = seed_;
        block_->prepare(setup);
    }
    const auto runs = static_cast<std::size_t>(std::ceil(seconds * rate_ / kRun));
    std::vector<Signal> ins(type_.inputs.size());
    std::vector<Signal> outs(type_.outputs.size());
    for (std::size_t r = 0; r < runs; ++r) {
        std::vector<const Signal*> inputs(ins.size(), nullptr);
        for (const auto& [index, source] : sources_) {
            fill(ins[index], source);
            inputs[index] = &ins[index];
        }
        std::vector<Signal*> outputs;
        for (Signal& out : outs) {
            out.edgeCount = 0;
            out.listsEdges = false;
            outputs.push_back(&out);
        }
        std::vector<Ramp> ramps;
        for (const double value : controls_) ramps.push_back({static_cast<float>(value), 0.0f});
        std::array<float, kRun> left{};
        std::array<float, kRun> right{};
        Frame frame;
        frame.rate = rate_;
        frame.inputs = inputs;
        frame.outputs = outputs;
        frame.controls = ramps;
        frame.transport = &transport;
        frame.left = left.data();
        frame.right = right.data();
        block_->process(frame);
        transport.rewind = false;
        for (std::size_t o = 0; o < outs.size(); ++o) {
            const std::string& id = type_.outputs[o].id;
            holdInRails(outs[o].volts.data(), kRun);
            recorded_[id].insert(recorded_[id].end(), outs[o].volts.begin(), outs[o].volts.end());
            for (int e = 0; e < outs[o].edgeCount; ++e) {
                const Edge& edge = outs[o].edges[static_cast<std::size_t>(e)];
                (edge.rising ? rising_ : falling_)[id].push_back(
                    (static_cast<double>(now_) + static_cast<double>(edge.at)) / rate_);
            }
        }
        left_.insert(left_.end(), left.begin(), left.end());
        right_.insert(right_.end(), right.begin(), right.end());
        now_ += kRun;
    }
    return *this;
}

} // namespace lariat::test
