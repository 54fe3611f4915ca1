// Scope probe: two measuring points that a patch can hold, passed on unchanged with their edges.
#include "blocks/types.h"

namespace lariat {
namespace {

class ScopeProbe final : public StatelessBlock<ScopeProbe> {
  public:
    void process(const Frame& frame) {
        if (Signal* out = frame.out(frame.section)) passOn(frame.in(frame.section), *out, frame);
    }
};

} // namespace

BlockType scopeProbeType() {
    using enum SignalKind;
    return {.id = "scope-probe",
            .name = "Scope probe",
            .about = "Two measuring points, passed on as they are",
            .inputs = {{"a", "a", Control, -5, 8}, {"b", "b", Control, -5, 8}},
            .outputs = {{.id = "a-out", .name = "a thru", .kind = Control, .min = -5, .max = 8, .edges = true},
                        {.id = "b-out", .name = "b thru", .kind = Control, .min = -5, .max = 8, .edges = true}},
            .flows = {{{"a"}, Does::Passes, {"a-out"}}, {{"b"}, Does::Passes, {"b-out"}}},
            .make = makeBlock<ScopeProbe>,
            .sections = {{bits({0}), bits({0})}, {bits({1}), bits({1})}},
            .runsUnheard = true};
}

} // namespace lariat
