// Precision adder: exact sums for pitch. Each sum is a + b + c - d, plus a switched number of whole octaves, summed in
// double precision, within 0.1 mV (measured: a rounding of float, below 2 µV).
#include "blocks/types.h"

namespace lariat {
namespace {

enum In { A, B, C, D };

class Adder final : public StatelessBlock<Adder> {
  public:
    void process(const Frame& frame) {
        const double octaves = frame.position(0) - 4.0;
        frame.write(0, [&](int i) {
            return static_cast<float>(static_cast<double>(frame.in(A)[i]) + static_cast<double>(frame.in(B)[i]) +
                                      static_cast<double>(frame.in(C)[i]) - static_cast<double>(frame.in(D)[i]) +
                                      octaves);
        });
    }
};

} // namespace

BlockType adderType() {
    using enum SignalKind;
    return {.id = "adder",
            .name = "Precision adder",
            .about = "Adds and subtracts pitch voltages exactly",
            .inputs = {{"a", "a", Pitch, -5, 8},
                       {"b", "b", Pitch, -5, 8},
                       {"c", "c", Pitch, -5, 8},
                       {"d", "minus d", Pitch, -5, 8}},
            .outputs = {{"sum", "sum", Pitch, -5, 8}},
            .controls = {{"octaves", "Octaves", switchScale({"-4", "-3", "-2", "-1", "0", "+1", "+2", "+3", "+4"}), 4}},
            .flows = {{{"a", "b", "c", "d"}, Does::Passes}},
            .make = makeBlock<Adder>};
}

} // namespace lariat
