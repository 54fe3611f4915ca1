// What the detectives share: they go along the flow of a patch, from what is heard back to what causes it, and read
// what is measured at each link. And the cures that may be tried where a link is broken.
#pragma once

#include "findings/finding.h"

#include <set>

namespace lariat {

inline constexpr double kOpensPerVolt = 12.5; ///< per cent that a volt opens: 8 V is all

/// How far ways into one output are opened over the run, in per cent.
struct Opening {
    double least = 0.0;
    double most = 0.0;
    double byHand = 0.0;            ///< what the knob alone does
    std::vector<const Way*> fed{};  ///< openers that something is plugged into
    std::vector<const Way*> free{}; ///< the others
};

class Walk {
  public:
    explicit Walk(const Observation& observed) : o(observed), map(*observed.flow) {}

    const Observation& o;
    const FlowMap& map;

    [[nodiscard]] const Life& life(const Source& source) const { return o.lives.of(source); }
    /// What was recorded of it; empty where nothing listens to it at a jack.
    [[nodiscard]] std::span<const float> volts(const Source& source) const;
    /// What is in a way, at the nearest place behind it that was recorded.
    [[nodiscard]] std::span<const float> volts(const Way& way) const;
    /// The same of an output, at the nearest place behind the panel where it comes out.
    [[nodiscard]] std::span<const float> comingOut(const Source& source) const;
    [[nodiscard]] const Life& arriving(const Way& way) const { return life(map.feeding(way)); }
    /// Ways of one sort into an output, fed by something.
    [[nodiscard]] std::vector<const Way*> fed(const Source& output, Does does) const;
    [[nodiscard]] std::vector<const Way*> free(const Source& output, Does does) const;
    /// A signal and all that passes into it, over mults, sums, levels and filters: the nearest first.
    [[nodiscard]] std::vector<Source> behind(const Source& source) const;
    /// Where a signal that is only passed on begins.
    [[nodiscard]] Source origin(Source source) const;
    /// What it is made for; nothing of node -1 or a way out.
    [[nodiscard]] std::optional<SignalKind> kindOf(const Source& source) const;
    /// It is a gate or a clock.
    [[nodiscard]] bool isGate(const Source& source) const;
    /// An oscillator: it sounds, has a pitch, and lets no sound through.
    [[nodiscard]] bool oscillates(const Source& source) const;
    /// All signals that reach a way out by any way, as sound or as what moves it.
    [[nodiscard]] std::set<std::pair<int, int>> heard() const;
    /// Nodes from which something comes to this one by any way, itself included.
    [[nodiscard]] std::set<int> upstream(int node) const;
    /// The last ways to the ear, of all ways out.
    [[nodiscard]] std::vector<const Way*> waysOut() const;
    /// Of a way that something opens; {100, 100} of one that is always open.
    [[nodiscard]] Opening opening(const Way& way) const;
    /// A knob is turned by a scene, so that where it stands now says little.
    [[nodiscard]] bool movesInScenes(int node, int control) const;

    /// The name of its post; of one of several alike behind one panel, with its own: "Nest (leader)".
    [[nodiscard]] std::string name(int node) const;
    /// The post that a block stands for; of one that stands as no post, the one it is wired to.
    [[nodiscard]] std::string postOf(int node) const;
    /// The cable that brings what is in a way, or else the first that leaves an output; 0 if there is none.
    [[nodiscard]] int cableOf(const Way& way) const { return map.feeding(way).cable; }
    [[nodiscard]] int cableFrom(const Source& source) const;
    [[nodiscard]] std::string inputName(const Way& way) const;
    /// What is measured at an output, with the cable that leads on.
    [[nodiscard]] Link link(const Source& source) const;

    // Cures to be tried, likeliest first.
    [[nodiscard]] std::vector<Fix> turn(int node, int control, double value) const;
    /// Opening a level that stands at nothing.
    [[nodiscard]] std::vector<Fix> raise(int node, int control) const;
    /// What may open a way: envelopes of the patch, then its knob.
    [[nodiscard]] std::vector<Fix> open(const Way& way) const;
    /// Envelopes of the patch, those of a voice first.
    [[nodiscard]] std::vector<JackRef> envelopes(const std::string& voice) const;
    /// Levels that scale what comes to a source, all the way up.
    [[nodiscard]] std::vector<Fix> fullAlong(Source source) const;
    /// What may time or strike an input.
    [[nodiscard]] std::vector<Fix> drive(const Way& way) const;
    /// A cable leaves another output of the same post, or enters another input.
    [[nodiscard]] std::vector<Fix> otherOutput(int cable) const;
    [[nodiscard]] std::vector<Fix> otherInput(int cable) const;
    /// Knobs of the block back to where they are when it comes.
    [[nodiscard]] std::vector<Fix> rest(int node) const;

  private:
    [[nodiscard]] std::vector<JackRef> outputsThat(const std::function<bool(const Node&, const JackSpec&)>& fit) const;
};

void append(std::vector<Fix>& to, std::vector<Fix> more);

} // namespace lariat
