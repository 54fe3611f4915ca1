// Mults: exact copies of an input, edges included.
//
// Buffered, a copy is as strong as an output of its own. Passive, the jacks are just joined: in the real case the
// source feels every input behind it (engine/electrics.h), here the copies are the same.
#include "blocks/types.h"

namespace lariat {
namespace {

constexpr int kCopies = 4;

class Mult final : public StatelessBlock<Mult> {
  public:
    void process(const Frame& frame) {
        for (int copy = 0; copy < kCopies; ++copy)
            if (Signal* out = frame.out(copy)) passOn(frame.in(0), *out, frame);
    }
};

BlockType typeOf(const char* id, const char* name, const char* about, bool passive) {
    using enum SignalKind;
    return {.id = id,
            .name = name,
            .about = about,
            .inputs = {{"in", "in", Control, -5, 8}},
            .outputs = numbered(kCopies, JackSpec{.id = "out", .name = "out", .kind = Control, .edges = true}),
            .flows = {{{"in"}, Does::Passes}},
            .make = makeBlock<Mult>,
            .passive = passive};
}

} // namespace

BlockType multType() {
    return typeOf("mult", "Mult", "Four buffered copies of one signal", false);
}

BlockType passiveMultType() {
    return typeOf("passive-mult", "Passive mult", "Four joined jacks; the source feels them all", true);
}

} // namespace lariat
