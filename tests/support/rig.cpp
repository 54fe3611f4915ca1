#include "support/rig.h"

#include "blocks/parts/gate.h"

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
    setup.material.pattern = std::make_shared<const Pattern>(std::move(pattern));
    return *this;
}

void Rig::fill(Signal& signal, const Source& source) const {
    signal.list->clear();
    signal.list->listed = source.isPulses;
    const auto start = static_cast<double>(now_);
    for (int i = 0; i < kRun; ++i) {
        const std::size_t at = now_ + idx(i);
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
        if (place > -1.0 && place <= kRun - 1) signal.list->add(static_cast<float>(place), rising);
    };
    for (const Pulse& pulse : source.pulses) {
        edge(pulse.on, true);
        edge(pulse.off, false);
    }
}

Rig& Rig::exchange(Material material) {
    setup.material = material;
    if (solo_) solo_->block().exchange(material);
    return *this;
}

Told Rig::told() const {
    Told told{};
    solo_->block().tell(told);
    return told;
}

Rig& Rig::run(double seconds) {
    if (!solo_) {
        setup.rate = rate_;
        setup.seed = seed_;
        solo_ = std::make_unique<Solo>(type_, setup);
    }
    const auto runs = static_cast<std::size_t>(std::ceil(seconds * rate_ / kRun));
    for (std::size_t r = 0; r < runs; ++r) {
        for (const auto& [index, source] : sources_) fill(solo_->feed(index), source);
        for (std::size_t c = 0; c < controls_.size(); ++c) solo_->setControl(c, static_cast<float>(controls_[c]));
        inLoop_ ? solo_->tick(transport) : solo_->run(transport);
        for (std::size_t o = 0; o < type_.outputs.size(); ++o) {
            const std::string& id = type_.outputs[o].id;
            const Signal& out = solo_->out(o);
            recorded_[id].insert(recorded_[id].end(), out.volts.begin(), out.volts.end());
            for (int e = 0; out.listsEdges() && e < out.list->count; ++e) {
                const Edge& edge = out.list->edges[idx(e)];
                (edge.rising ? rising_ : falling_)[id].push_back(
                    (static_cast<double>(now_) + static_cast<double>(edge.at)) / rate_);
            }
        }
        const World& world = solo_->world();
        left_.insert(left_.end(), world.left.values.begin(), world.left.values.end());
        right_.insert(right_.end(), world.right.values.begin(), world.right.values.end());
        now_ += kRun;
    }
    return *this;
}

} // namespace lariat::test
