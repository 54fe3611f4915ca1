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
/// Where a voice, or a bus, leaves for what others share: to be recorded while it plays.
struct StemOutlet {
    std::string voice;
    std::vector<JackRef> jacks; ///< each once, in the order of their cables
};

/// The outlets of all voices and buses that sound, in the order of the posts.
std::vector<StemOutlet> outletsOf(const Patch& patch, const Library& library);
/// A name for the file of each voice: "night-watch-lead.wav" without what a file system does not take. No two are the
/// same, although voices may be called alike but for such signs.
std::vector<std::string> stemFiles(const std::string& title, const std::vector<std::string>& voices);

} // namespace lariat
