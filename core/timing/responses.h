// Responses: what the lines of a sequencer cause, note by note, over a whole cycle of its pattern.
//
// The patch is run silently from its start, a lead of one cycle or 16 pulses and then one cycle (256 pulses at most),
// with everything left out that does not reach what is looked at. Times of gates are exact within the sample; what a
// contour came to is told by the contour itself, so that its curve, its short-gate policy and its CVs count.
#pragma once

#include "engine/render.h"
#include "engine/tap.h"
#include "timing/lines.h"
#include "timing/tuned.h"
#include "units/sentence.h"

#include <functional>
#include <optional>
#include <set>
#include <string>
#include <vector>

namespace lariat {

inline constexpr long kMostPulses = 256; ///< of a cycle that is looked at: 16 bars of 16ths

/// One gate that came to a contour.
struct Strike {
    double at = 0.0;      ///< seconds from the start of the cycle
    double pulse = 0.0;   ///< the same in clock pulses
    int step = -1;        ///< of the line that it came from; -1: not known
    double open = 0.0;    ///< seconds
    double openTo = 0.0;  ///< where the gate closes, in pulses
    double next = 0.0;    ///< seconds to the next strike
    float atClose = 0.0f; ///< volts when the gate closes
    float atNext = 0.0f;  ///< volts just before the next strike
    bool held = false;    ///< it came to its sustain, or where its mode holds
    double missing = 0.0; ///< seconds that the gate was too short for that
    double over = 0.0;    ///< seconds of its tail that the next strike cuts off; 0: it had ended

    [[nodiscard]] bool cutOff() const { return over > 5e-5; } ///< a contour tells microseconds
};

/// What there is to say of it in sum.
struct Fact {
    enum class Kind { Sustain, Tail, Slurred, StageGate, Hits, TailNote, Tuned };
    Kind kind = Kind::Sustain;
    Sentence text;
    bool bad = false;    ///< some notes do not do what the patch seems to want
    std::set<int> steps; ///< of the line, that it speaks of
};

struct ContourResponse {
    std::string post;
    JackRef gate;
    JackRef out;
    std::optional<LineRef> line; ///< that opens it
    bool followsGate = true;     ///< what holds it is the gate; a struck one goes through its stages by itself
    bool releases = true;        ///< it has a release
    bool sustains = false;       ///< it has a sustain that a short gate misses
    float sustain = 0.0f;        ///< volts that it holds
    std::vector<Strike> strikes; ///< of the cycle
    std::vector<MinMax> picture; ///< of the output, kPerPulse columns a clock pulse
    std::vector<Fact> facts;

    /// Notes that did not come to their sustain; those whose tail the next one cuts off.
    [[nodiscard]] int notHeld() const;
    [[nodiscard]] int cutOff() const;
};

/// A sound that the line opens, behind its VCA, or any jack that was asked for.
struct SoundResponse {
    JackRef output;
    std::string contour; ///< that opens it; may be empty
    std::optional<LineRef> line;
    bool audio = true;
    float low = 0.0f; ///< volts over the cycle
    float high = 0.0f;
    std::vector<MinMax> picture;
    std::vector<Fact> facts;
};

/// What a quantizer makes of the line's notes, in their order.
struct TuneResponse {
    TunePath path;
    std::vector<TunedNote> notes;
    std::vector<Fact> facts;
};

struct Responses {
    static constexpr int kPerPulse = 256; ///< columns of a picture

    std::string sequencer;
    long cycle = 0;            ///< clock pulses after which everything begins anew
    long shown = 0;            ///< of these, those that were run: fewer where the cycle is longer than kMostPulses
    double pulseSeconds = 0.0; ///< mean
    std::vector<ContourResponse> contours;
    std::vector<SoundResponse> sounds;
    std::vector<TuneResponse> tunes;
};

struct ResponseOptions {
    std::optional<double> tempo{};             ///< instead of the one that the clock's knob gives
    std::optional<int> variation{};            ///< instead of the one that the sequencer's switch gives
    bool sounds = true;                        ///< and not only contours
    long mostPulses = kMostPulses;             ///< of the cycle
    std::vector<JackRef> pinned{};             ///< jacks that are to be seen as well
    unsigned threads = 0;                      ///< that work side by side; 0: as many as there are processors
    std::function<bool(double)> progress = {}; ///< told 0…1 now and then, from several threads; false cancels
};

/// Clock pulses after which a sequencer begins anew: of its pattern's lines together, or as many as its knob says.
long cycleOf(const Patch& patch, const Library& library, const Sequencer& sequencer, int variation);
/// The variation that its switch asks for.
int variationOf(const Patch& patch, const Library& library, const Sequencer& sequencer);

/// Fails if nothing steps the sequencer, or when cancelled. `patch` is a checked one.
Result<Responses> responsesOf(const Patch& patch, const Library& library, const std::string& sequencer,
                              const ResponseOptions& options = {});

} // namespace lariat
