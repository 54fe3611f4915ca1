// The lines of what sequences: tracks of notes, lanes of hits, faders and fills, with the jacks that they come out at.
#pragma once

#include "library/library.h"

#include <compare>
#include <optional>
#include <string>
#include <vector>

namespace lariat {

/// A line of a sequencing post: its track, or its lane, counted from 0.
struct LineRef {
    std::string post;
    bool lane = false;
    int index = 0;

    auto operator<=>(const LineRef&) const = default;
};

enum class LineKind {
    Track,  ///< of the patch's pattern
    Lane,   ///< the same
    Faders, ///< knobs of a step sequencer
    Fill    ///< knobs of a trigger pattern
};

struct SequencerLine {
    LineRef at;
    LineKind kind = LineKind::Track;
    std::vector<std::string> jacks; ///< of the panel, that it comes out at
    std::string gate;               ///< the one among them that opens envelopes; empty: the panel has none
};

/// A post that goes through steps, and what the module in the case can hold.
struct Sequencer {
    std::string post;
    std::vector<SequencerLine> lines; ///< all that the module has, tracks first, whether they are written or not
    bool plays = false;               ///< its lines are the patch's pattern
    int tracks = 0;
    int lanes = 0;
    int variations = 1;
    std::string clock;           ///< the input that steps it; empty: the panel has none
    std::string variationKnob{}; ///< empty: it has none
};

/// The sequencing posts of a patch, in its order.
std::vector<Sequencer> sequencersOf(const Patch& patch, const Library& library);
std::optional<Sequencer> sequencerOf(const Patch& patch, const Library& library, const std::string& post);

/// The line that an output belongs to, if its post sequences.
std::optional<LineRef> lineAt(const Patch& patch, const Library& library, const JackRef& output);
/// The line whose gates come to an input: through its cable or normals, and whatever passes gates on.
std::optional<LineRef> lineBehind(const Patch& patch, const Library& library, const JackRef& input);

/// The patch without the cables into posts from which nothing reaches these jacks: it runs as fast as what is looked at
/// allows.
Patch onlyWhatReaches(const Patch& patch, const Library& library, const std::vector<JackRef>& jacks);

/// Why the module in the case cannot hold a pattern, with the figure; empty if it can.
Sentence tooMuchFor(const Sequencer& sequencer, const Pattern& pattern);

/// Clock pulses that each step of a line of knobs lasts, as many steps as it plays; empty for a post without them.
std::vector<int> knobSteps(const Post& post, const PartInfo& part);
/// Clock pulses after which a line begins anew, all its steps played: of its own, as far as they follow a rule.
long pulsesOf(const Stride& stride, std::size_t steps);
/// Clock pulses after which all lines of a variation begin together again. 0 if nothing is written.
long cycleOf(const Pattern& pattern, int variation);

} // namespace lariat
