// Matrix: four inputs to four outputs, each crossing with an attenuverter. out(o) = Σ amount(i, o)/100 · in(i).
#include "blocks/types.h"

#include <fmt/format.h>

namespace lariat {
namespace {

constexpr int kSize = 4;

class Matrix final : public StatelessBlock<Matrix> {
  public:
    void process(const Frame& frame) {
        for (int o = 0; o < kSize; ++o)
            frame.write(o, [&](int i) {
                float sum = 0.0f;
                for (int n = 0; n < kSize; ++n) sum += 0.01f * frame.control(n * kSize + o)(i) * frame.in(n)[i];
                return sum;
            });
    }
};

} // namespace

BlockType matrixType() {
    using enum SignalKind;
    std::vector<ControlSpec> crossings;
    std::vector<Flow> flows;
    for (int n = 1; n <= kSize; ++n)
        for (int o = 1; o <= kSize; ++o) {
            const std::string place = fmt::format("{}{}", n, o);
            flows.push_back({{fmt::format("in-{}", n)},
                             Does::Passes,
                             {fmt::format("out-{}", o)},
                             {fmt::format("amount-{}", place)}});
            crossings.push_back({fmt::format("amount-{}", place), fmt::format("{} to {}", n, o), bipolarPercent(), 0});
        }
    return {.id = "matrix",
            .name = "Matrix",
            .about = "Four inputs to four outputs, an attenuverter at each crossing",
            .inputs = numbered(kSize, JackSpec{"in", "in", SignalKind::Control, -5, 8}),
            .outputs = numbered(kSize, JackSpec{"out", "out", SignalKind::Control, -5, 8}),
            .controls = crossings,
            .flows = flows,
            .make = makeBlock<Matrix>};
}

} // namespace lariat
