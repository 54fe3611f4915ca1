// Insert: a place in a stereo bus where something may be looped in. out = what comes back, on the side whose return
// holds a plug (the left return serves both sides alone), else the bus itself. What goes out to the insert does not
// depend on what comes back, so that an insert closes no loop.
#include "blocks/types.h"

namespace lariat {
namespace {

enum In { Left, Right, ReturnLeft, ReturnRight };
enum Out { LeftOut, RightOut, ToLeft, ToRight };

class Insert final : public StatelessBlock<Insert> {
  public:
    void process(const Frame& frame) {
        const auto pass = [&](int in, int out) { frame.write(out, [&](int i) { return frame.in(in)[i]; }); };
        if (frame.section == 0) {
            pass(Left, ToLeft);
            pass(Right, ToRight);
            return;
        }
        const bool back = frame.plugged(ReturnLeft) || frame.plugged(ReturnRight);
        pass(!back ? Left : frame.plugged(ReturnLeft) ? ReturnLeft : ReturnRight, LeftOut);
        pass(!back ? Right : frame.plugged(ReturnRight) ? ReturnRight : ReturnLeft, RightOut);
    }
};

} // namespace

BlockType insertType() {
    using enum SignalKind;
    return {.id = "insert",
            .name = "Insert",
            .about = "A place in a bus where something may be looped in",
            .inputs = {{"left", "in L", Audio},
                       {"right", "in R", Audio},
                       {"return-left", "return L", Audio},
                       {"return-right", "return R", Audio}},
            .outputs = {{"left-out", "out L", Audio},
                        {"right-out", "out R", Audio},
                        {"to-left", "to L", Audio},
                        {"to-right", "to R", Audio}},
            .flows = {{{"left"}, Does::Passes, {"to-left"}},
                      {{"right"}, Does::Passes, {"to-right"}},
                      {.inputs = {"left"}, .outputs = {"left-out"}, .unlessPlugged = {"return-left"}},
                      {.inputs = {"right"}, .outputs = {"right-out"}, .unlessPlugged = {"return-right"}},
                      {{"return-left"}, Does::Passes, {"left-out"}},
                      {{"return-right"}, Does::Passes, {"right-out"}}},
            .make = makeBlock<Insert>,
            .sections = {{bits({Left, Right}), bits({ToLeft, ToRight})},
                         {bits({ReturnLeft, ReturnRight}), bits({LeftOut, RightOut})}}};
}

} // namespace lariat
