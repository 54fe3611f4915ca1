// Insert: a place in a stereo bus where something may be looped in. out = what comes back, on the side whose return
// holds a plug (the left return serves both sides alone), else the bus itself. It stands apart from the mixer, so that
// an insert closes no loop.
#include "blocks/types.h"

namespace lariat {
namespace {

enum In { Left, Right, ReturnLeft, ReturnRight };
enum Out { LeftOut, RightOut, ToLeft, ToRight };

class Insert final : public StatefulBlock<Insert> {
  public:
    void prepare(const Setup&) override {}
    void process(const Frame& frame) override {
        const bool back = frame.plugged(ReturnLeft) || frame.plugged(ReturnRight);
        const int left = !back ? Left : frame.plugged(ReturnLeft) ? ReturnLeft : ReturnRight;
        const int right = !back ? Right : frame.plugged(ReturnRight) ? ReturnRight : ReturnLeft;
        frame.write(LeftOut, [&](int i) { return frame.in(left)[i]; });
        frame.write(RightOut, [&](int i) { return frame.in(right)[i]; });
        frame.write(ToLeft, [&](int i) { return frame.in(Left)[i]; });
        frame.write(ToRight, [&](int i) { return frame.in(Right)[i]; });
    }

  private:
    friend class StatefulBlock<Insert>;
    struct State {
    } state_;
};

} // namespace

BlockType insertType() {
    using enum SignalKind;
    return {"insert",
            "Insert",
            "A place in a bus where something may be looped in",
            {{"left", "in L", Audio},
             {"right", "in R", Audio},
             {"return-left", "return L", Audio},
             {"return-right", "return R", Audio}},
            {{"left-out", "out L", Audio},
             {"right-out", "out R", Audio},
             {"to-left", "to L", Audio},
             {"to-right", "to R", Audio}},
            {},
            makeBlock<Insert>};
}

} // namespace lariat
