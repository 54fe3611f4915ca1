// The picture of a contour or function generator: what one gate or trigger makes of it, run by the block itself.
#pragma once

#include "blocks/block.h"
#include "library/library.h"

#include <optional>
#include <vector>

namespace lariat {

struct EnvelopeShape {
    std::vector<float> volts;                  ///< evenly over `seconds`
    std::vector<std::vector<float>> related{}; ///< further outputs of the same block, drawn behind it
    double seconds = 0.0;
    double gate = 0.0;      ///< seconds for which the gate is open
    double attackEnd = 0.0; ///< seconds at which the stages end; those that a mode does not have end where they began
    double decayEnd = 0.0;
    double sustain = 0.0; ///< volts that the decay leads to
    double releaseEnd = 0.0;
    bool decays = true; ///< the mode has a decay, a release,
    bool releases = true;
    bool followsGate = true; ///< and goes on to its release when the gate closes
    bool function = false;   ///< a rise and a fall; the rise stands as attack, the fall as release
};

/// What makes a block an envelope: which of its controls set its stages, and what becomes of them as they stand. Of a
/// function generator the rise is the attack, and the fall the release.
struct EnvelopeForm {
    int attack = -1; ///< controls; -1: as it stands it has no such stage
    int decay = -1;
    int sustain = -1;
    int release = -1;
    int loop = -1;
    int mode = -1;            ///< the switch that says which stages there are
    bool holds = false;       ///< as long as its gate is high, at its top or at a sustain above nothing
    bool followsGate = false; ///< a gate that closes ends it; others go through their stages once they are struck
    bool needsGate = false;   ///< a trigger alone cuts it short
    bool finishes = false;    ///< its stages, although the gate was shorter
    bool loops = false;

    /// The control of the stage in which it falls, once it is struck.
    [[nodiscard]] int fall() const { return release >= 0 ? release : decay; }
};
/// Nothing of a block that makes no envelope. `controls` are where its controls stand.
std::optional<EnvelopeForm> envelopeForm(const BlockType& type, const std::vector<double>& controls);

/// The knobs that move the corners of a part's contour; nullptr where the panel has none.
struct EnvelopeKnobs {
    const KnobInfo* attack = nullptr;
    const KnobInfo* decay = nullptr;
    const KnobInfo* sustain = nullptr;
    const KnobInfo* release = nullptr;
};

/// Nothing for a part with neither. `gateSeconds` is how long the gate is open; nothing: long enough to see every
/// stage.
std::optional<EnvelopeShape> envelopeShape(const Post& post, const PartInfo& part, std::optional<double> gateSeconds);
EnvelopeKnobs envelopeKnobs(const PartInfo& part);

} // namespace lariat
