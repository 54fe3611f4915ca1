// Stems: each voice by itself, as it leaves for what all share.
#pragma once

#include "library/library.h"

#include <string>
#include <vector>

namespace lariat {

struct Stem {
    std::string voice;
    std::vector<int> silenced; ///< cables that carry the sound of other voices out of them
};

/// One for each voice that has a post, in the order of the posts. Where what all share is linear, they add up to the
/// whole.
std::vector<Stem> stemsOf(const Patch& patch, const Library& library);
/// A name for its file: "night-watch-lead.wav" without what a file system does not take.
std::string stemFile(const std::string& title, const std::string& voice);

} // namespace lariat
