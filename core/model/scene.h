// Scenes: a performance as its player thinks of it, where knobs stand for so many bars, and moves of hands in them.
#pragma once

#include "model/extra.h"

#include <map>
#include <string>
#include <vector>

namespace lariat {

inline constexpr int kBeatsPerBar = 4; ///< bars are counted in scenes, count-ins and the transport only

/// Where knobs stand: by post and knob.
using Setting = std::map<std::string, std::map<std::string, double>>;

enum class Hand { Left, Right, Foot };

/// A knob that a hand turns from one place to another, evenly along its travel.
struct Move {
    std::string post;
    std::string knob;
    double from = 0.0; ///< in the knob's unit
    double to = 0.0;
    double start = 0.0; ///< beats from the start of the scene
    double beats = 4.0; ///< that it takes; 0: at once
    Hand hand = Hand::Right;
    Extra extra{};

    bool operator==(const Move&) const = default;
};

struct Scene {
    std::string name;
    int bars = 4; ///< of four beats, 1…256
    int repeats = 1;
    Setting setting{}; ///< those that are set when it begins: variations, mutes and tempo are knobs like all others
    std::vector<Move> moves{};
    Extra extra{};

    bool operator==(const Scene&) const = default;
    [[nodiscard]] double beats() const { return static_cast<double>(kBeatsPerBar) * bars * repeats; }
};

inline constexpr std::size_t kMostScenes = 64;
inline constexpr std::size_t kMostMoves = 256; ///< of a scene

} // namespace lariat
