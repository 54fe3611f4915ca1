// One block by itself, outside any patch: for measuring its cost, and for tests against closed forms.
#pragma once

#include "blocks/block.h"

#include <memory>
#include <vector>

namespace lariat {

class Solo {
  public:
    Solo(const BlockType& type, const Setup& setup);
    Solo(const Solo&) = delete;
    Solo& operator=(const Solo&) = delete;

    /// The signal at an input: from the first call on it counts as plugged. To be filled before each run.
    Signal& feed(std::size_t input);
    [[nodiscard]] const Signal& out(std::size_t output) const { return outs_[output]; }
    void setControl(std::size_t control, float value) { ramps_[control] = {value, 0.0f}; }
    [[nodiscard]] Block& block() { return *block_; }
    [[nodiscard]] const World& world() const { return world_; }
    /// Runs kRun samples, held in the rails. False if something came out that is not a number.
    bool run(Transport& transport);
    /// The same sample by sample, as within a loop.
    bool tick(Transport& transport);

  private:
    void begin(Transport& transport);
    bool finish();
    [[nodiscard]] int sections() const { return std::max(1, static_cast<int>(type_.sections.size())); }

    const BlockType& type_;
    std::unique_ptr<Block> block_;
    std::vector<Signal> ins_;
    std::vector<EdgeList> inEdges_;
    std::vector<Signal> outs_;
    std::vector<EdgeList> outEdges_;
    std::vector<const Signal*> inputs_;
    std::vector<Signal*> outputs_;
    std::vector<Ramp> ramps_;
    std::uint64_t plugged_ = 0;
    bool bound_ = false;
    double rate_;
    World world_;
};

} // namespace lariat
