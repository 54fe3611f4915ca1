// Scope probe: two measuring points that a patch can hold, passed on unchanged with their edges.
#include "blocks/types.h"

namespace lariat {
namespace {

class ScopeProbe final : public StatefulBlock<ScopeProbe> {
  public:
    void prepare(const Setup&) override {}
    void process(const Frame& frame) override {
        for (int p = 0; p < 2; ++p)
            if (Signal* out = frame.out(p)) passOn(frame.in(p), *out, frame);
    }

  private:
    friend class StatefulBlock<ScopeProbe>;
    struct State {
    } state_;
};

} // namespace

BlockType scopeProbeType() {
    using enum SignalKind;
    return {"scope-probe",
            "Scope probe",
            "Two measuring points, passed on as they are",
            {{"a", "a", Control, -5, 8}, {"b", "b", Control, -5, 8}},
            {{"a-out", "a thru", Control, -5, 8}, {"b-out", "b thru", Control, -5, 8}},
            {},
            makeBlock<ScopeProbe>};
}

} // namespace lariat
