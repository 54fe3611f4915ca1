#include "engine/solo.h"

namespace lariat {

Solo::Solo(const BlockType& type, const Setup& setup)
    : type_(type), block_(type.make()), ins_(type.inputs.size()), inEdges_(type.inputs.size()),
      outs_(type.outputs.size()), outEdges_(type.outputs.size()), rate_(setup.rate) {
    block_->start(setup);
    inputs_.assign(ins_.size(), &silence());
    for (std::size_t i = 0; i < ins_.size(); ++i) ins_[i].list = &inEdges_[i];
    for (std::size_t o = 0; o < outs_.size(); ++o) {
        if (type.outputs[o].mayListEdges()) outs_[o].list = &outEdges_[o];
        outputs_.push_back(&outs_[o]);
    }
    for (const ControlSpec& control : type.controls) ramps_.push_back({static_cast<float>(control.initial), 0.0f});
}

Signal& Solo::feed(std::size_t input) {
    if (inputs_[input] != &ins_[input]) {
        inputs_[input] = &ins_[input];
        plugged_ |= std::uint64_t{1} << input;
        bound_ = false;
    }
    return ins_[input];
}

void Solo::begin(Transport& transport) {
    if (!bound_)
        block_->bind({.inputs = inputs_.data(),
                      .outputs = outputs_.data(),
                      .controls = ramps_.data(),
                      .plugged = plugged_,
                      .heard = ~std::uint64_t{0},
                      .rate = rate_,
                      .world = &world_});
    bound_ = true;
    world_.transport = &transport;
    world_.left.fill(0.0f);
    world_.right.fill(0.0f);
    for (EdgeList& list : outEdges_) list.clear();
    for (std::size_t i = 0; i < ins_.size(); ++i)
        if (plugged_ >> i & 1u) {
            const auto [low, high] = std::ranges::minmax_element(ins_[i].volts);
            ins_[i].low = *low;
            ins_[i].high = *high;
        }
}

bool Solo::finish() {
    bool good = true;
    for (Signal& out : outs_) good = finishRun(out) && good;
    world_.transport->rewind = false;
    world_.transport->playedCount = 0;
    return good;
}

bool Solo::run(Transport& transport) {
    begin(transport);
    for (int s = 0; s < sections(); ++s) block_->run(0, kRun, s);
    return finish();
}

bool Solo::tick(Transport& transport) {
    begin(transport);
    block_->beforeTicks();
    const Block::Tick one = block_->tick();
    for (int i = 0; i < kRun; ++i)
        for (int s = 0; s < sections(); ++s) one(*block_, i, s);
    return finish();
}

} // namespace lariat
