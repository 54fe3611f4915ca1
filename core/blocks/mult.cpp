// Mults: exact copies of an input, edges included.
//
// Buffered, a copy is as strong as an output of its own. Passive, the jacks are just joined: in the real case the
// source feels every input behind it (engine/electrics.h), here the copies are the same.
#include "blocks/types.h"

namespace lariat {
namespace {

constexpr int kCopies = 4;

class Mult final : public StatefulBlock<Mult> {
  public:
    void prepare(const Setup&) override {}

    void process(const Frame& frame) override {
        for (int copy = 0; copy < kCopies; ++copy)
            if (Signal* out = frame.out(copy)) passOn(frame.in(0), *out, frame);
    }

  private:
    friend class StatefulBlock<Mult>;
    struct State {
    } state_;
};

BlockType typeOf(const char* id, const char* name, const char* about) {
    using enum SignalKind;
    return {
        id, name,           about, {{"in", "in", Control, -5, 8}}, numbered(kCopies, JackSpec{"out", "out", Control}),
        {}, makeBlock<Mult>};
}

} // namespace

BlockType multType() {
    return typeOf("mult", "Mult", "Four buffered copies of one signal");
}

BlockType passiveMultType() {
    return typeOf("passive-mult", "Passive mult", "Four joined jacks; the source feels them all");
}

} // namespace lariat
