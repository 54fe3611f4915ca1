// Wavefolder: out = 5 sin(π/2 · (fold · in + symmetry) / 5) V, less its value at rest. Fold 1 bends softly; each
// further one adds a crease. Fold = 1 + 9 · (fold % + V·amount), symmetry ±5 V. Run at four times the rate.
#include "blocks/parts/filters.h"
#include "blocks/parts/oversampler.h"
#include "blocks/types.h"

namespace lariat {
namespace {

enum In { Input, FoldCv, SymmetryCv };
enum Control { Fold, Symmetry, FoldAmount, SymmetryAmount };

class Wavefolder final : public StatefulBlock<Wavefolder> {
  public:
    void process(const Frame& frame) {
        Signal* out = frame.out(0);
        if (!out) return;
        const Modulated fold = modulated(frame, Fold, FoldCv, FoldAmount, 12.5f);
        const Modulated symmetry = modulated(frame, Symmetry, SymmetryCv, SymmetryAmount, 20.0f);
        for (int i = frame.begin; i < frame.end; ++i) {
            const float gain = 1.0f + 0.09f * std::clamp(fold(i), 0.0f, 100.0f);
            const float shift = 0.05f * std::clamp(symmetry(i), -100.0f, 100.0f);
            const float rest = bend(shift);
            (*out)[i] = state_.over.run(frame.in(Input)[i], [&](float x) { return bend(gain * x + shift) - rest; });
        }
    }

  private:
    friend class StatefulBlock<Wavefolder>;
    /// 5 sin(π/2 · x/5).
    static float bend(float x) {
        const float turns = std::clamp(x * 0.05f, -1000.0f, 1000.0f);
        return 5.0f * fastSinTurn(turns - std::floor(turns));
    }
    struct State {
        Oversampler over;
    } state_;
};

} // namespace

BlockType wavefolderType() {
    using enum SignalKind;
    return {
        .id = "wavefolder",
        .name = "Wavefolder",
        .about = "Folds a wave back on itself",
        .inputs = {{"in", "in", Audio},
                   {"fold-cv", "fold cv", SignalKind::Control, -5, 8, "fold-amount", {{"fold", 12.5}}},
                   {"symmetry-cv", "symmetry cv", SignalKind::Control, -5, 5, "symmetry-amount", {{"symmetry", 20}}}},
        .outputs = {{"out", "out", Audio}},
        .controls = {{"fold", "Fold", percent(), 20},
                     {"symmetry", "Symmetry", bipolarPercent(), 0},
                     {"fold-amount", "Fold CV", bipolarPercent(), 0},
                     {"symmetry-amount", "Symmetry CV", bipolarPercent(), 0}},
        .make = makeBlock<Wavefolder>};
}

} // namespace lariat
