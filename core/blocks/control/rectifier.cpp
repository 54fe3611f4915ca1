// Rectifier, minimum and maximum: full = |a|, positive = max(a, 0), negative = min(a, 0), max and min of a and b. At
// audio rate the kinks are softened by first-order antiderivative anti-aliasing (Parker, Zavalishin, Le Bivic 2016):
// for |x| the antiderivative is x|x|/2.
#include "blocks/types.h"

#include <algorithm>
#include <cmath>

namespace lariat {
namespace {

enum In { A, B };
enum Out { Full, Positive, Negative, Maximum, Minimum };

/// Mean of |x| on the way from `before` to `now`.
float meanAbs(float now, float before) {
    const float difference = now - before;
    // Without a kink on the way the mean is that of the ends, exactly; with one, the triangles on both sides of zero.
    if ((now >= 0.0f) == (before >= 0.0f)) return 0.5f * std::abs(now + before);
    return (now * now + before * before) / (2.0f * std::abs(difference));
}

class Rectifier final : public StatefulBlock<Rectifier> {
  public:
    void process(const Frame& frame) {
        State& s = state_;
        for (int i = frame.begin; i < frame.end; ++i) {
            const float a = frame.in(A)[i];
            const float b = frame.in(B)[i];
            const float full = meanAbs(a, s.a);
            const float apart = meanAbs(a - b, s.a - s.b); // max = (a + b + |a - b|) / 2
            const float mid = 0.5f * (a + s.a);
            const float both = 0.5f * (a + b + s.a + s.b);
            const auto put = [&](Out o, float volts) {
                if (Signal* out = frame.out(o)) (*out)[i] = volts;
            };
            put(Full, full);
            put(Positive, 0.5f * (mid + full));
            put(Negative, 0.5f * (mid - full));
            put(Maximum, 0.5f * (both + apart));
            put(Minimum, 0.5f * (both - apart));
            s.a = a;
            s.b = b;
        }
    }

  private:
    friend class StatefulBlock<Rectifier>;
    struct State {
        float a = 0.0f;
        float b = 0.0f;
    } state_;
};

} // namespace

BlockType rectifierType() {
    using enum SignalKind;
    return {.id = "rectifier",
            .name = "Rectifier, min, max",
            .about = "Full and half waves of one signal, minimum and maximum of two",
            .inputs = {{"a", "a", Audio}, {"b", "b", Audio}},
            .outputs = {{"full", "full wave", Audio},
                        {"positive", "positive", Audio},
                        {"negative", "negative", Audio},
                        {"max", "max", Audio},
                        {"min", "min", Audio}},
            .flows = {{{"a"}, Does::Passes}, {{"b"}, Does::Passes, {"max", "min"}}},
            .make = makeBlock<Rectifier>};
}

} // namespace lariat
