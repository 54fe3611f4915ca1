// Buffered mult: four exact copies of its input, edges included.
#include "blocks/types.h"

#include <algorithm>

namespace lariat {
namespace {

constexpr int kCopies = 4;

class Mult final : public StatefulBlock<Mult> {
  public:
    void prepare(const Setup&) override {}

    void process(const Frame& frame) override {
        const Signal& in = frame.in(0);
        for (int copy = 0; copy < kCopies; ++copy) {
            Signal* out = frame.out(copy);
            if (!out) continue;
            std::copy(in.volts.begin() + frame.begin, in.volts.begin() + frame.end, out->volts.begin() + frame.begin);
            out->listsEdges = in.listsEdges;
            out->edgeCount = in.edgeCount;
            std::copy_n(in.edges.begin(), in.edgeCount, out->edges.begin());
        }
    }

  private:
    friend class StatefulBlock<Mult>;
    struct State {
    } state_;
};

} // namespace

BlockType multType() {
    using enum SignalKind;
    return {"mult",
            "Mult",
            "Four buffered copies of one signal",
            {{"in", "in", Control, -5, 8}},
            {{"out-1", "out 1", Control},
             {"out-2", "out 2", Control},
             {"out-3", "out 3", Control},
             {"out-4", "out 4", Control}},
            {},
            makeBlock<Mult>};
}

} // namespace lariat
