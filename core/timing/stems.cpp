#include "timing/stems.h"

#include <algorithm>

namespace lariat {

std::vector<Stem> stemsOf(const Patch& patch, const Library& library) {
    std::vector<Stem> out;
    struct Exit {
        int cable;
        std::string from;
        std::string to;
    };
    std::vector<Exit> exits; ///< cables that carry sound out of a voice
    for (const Cable& cable : patch.cables) {
        const std::string& from = patch.post(cable.from.post)->voice;
        const std::string& to = patch.post(cable.to.post)->voice;
        const JackInfo* jack = library.jack(patch, cable.from);
        if (!from.empty() && from != to && jack && jack->kind == SignalKind::Audio)
            exits.push_back({cable.id, from, to});
    }
    // What the sound of other voices comes into is a bus, whatever it is called: it belongs to all.
    const auto isBus = [&](const std::string& voice) {
        return std::ranges::find(exits, voice, &Exit::to) != exits.end();
    };
    for (const Post& post : patch.posts)
        if (!post.voice.empty() && !isBus(post.voice) && std::ranges::find(out, post.voice, &Stem::voice) == out.end())
            out.push_back({post.voice, {}});
    for (Stem& stem : out)
        for (const Exit& exit : exits)
            if (exit.from != stem.voice && !isBus(exit.from)) stem.silenced.push_back(exit.cable);
    return out;
}

std::string stemFile(const std::string& title, const std::string& voice) {
    std::string name;
    for (const char c : title + "-" + voice) {
        const bool plain = (c >= 'a' && c <= 'z') || (c >= '0' && c <= '9');
        const bool upper = c >= 'A' && c <= 'Z';
        if (plain || upper)
            name += static_cast<char>(upper ? c - 'A' + 'a' : c);
        else if (!name.empty() && name.back() != '-')
            name += '-';
    }
    while (!name.empty() && name.back() == '-') name.pop_back();
    return (name.empty() ? "stem" : name.substr(0, 80)) + ".wav";
}

} // namespace lariat
