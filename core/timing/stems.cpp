#include "timing/stems.h"

#include <algorithm>
#include <map>
#include <set>

#include <fmt/format.h>

namespace lariat {
namespace {

/// A cable that carries sound out of a voice.
struct Exit {
    int cable;
    std::string from;
};

std::vector<Exit> exitsOf(const Patch& patch, const Library& library) {
    std::vector<Exit> exits;
    for (const Cable& cable : patch.cables) {
        const std::string& from = patch.post(cable.from.post)->voice;
        const std::string& to = patch.post(cable.to.post)->voice;
        const JackInfo* jack = library.jack(patch, cable.from);
        if (!from.empty() && from != to && jack && jack->kind == SignalKind::Audio) exits.push_back({cable.id, from});
    }
    return exits;
}

/// Voices whose sound is in what each post gives, itself included: through others, and through what is nobody's.
std::map<std::string, std::set<std::string>> voicesIn(const Patch& patch, const Library& library) {
    std::map<std::string, std::set<std::string>> heard;
    for (const Post& post : patch.posts)
        if (!post.voice.empty()) heard[post.id].insert(post.voice);
    for (bool more = true; more;) {
        more = false;
        for (const Cable& cable : patch.cables) {
            const JackInfo* jack = library.jack(patch, cable.from);
            if (!jack || jack->kind != SignalKind::Audio) continue;
            auto& to = heard[cable.to.post];
            const std::size_t before = to.size();
            to.insert(heard[cable.from.post].begin(), heard[cable.from.post].end());
            more = more || to.size() > before;
        }
    }
    return heard;
}

/// Without its ending.
std::string stemName(const std::string& title, const std::string& voice) {
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
    return name.empty() ? "stem" : name.substr(0, 80);
}

} // namespace

std::vector<StemOutlet> outletsOf(const Patch& patch, const Library& library) {
    const std::vector<Exit> exits = exitsOf(patch, library);
    std::vector<StemOutlet> out;
    for (const Post& post : patch.posts) {
        if (std::ranges::find(out, post.voice, &StemOutlet::voice) != out.end()) continue;
        StemOutlet outlet{post.voice, {}};
        for (const Exit& exit : exits) {
            const JackRef& jack = patch.cable(exit.cable)->from;
            if (exit.from == post.voice && std::ranges::find(outlet.jacks, jack) == outlet.jacks.end())
                outlet.jacks.push_back(jack);
        }
        if (!outlet.jacks.empty()) out.push_back(std::move(outlet));
    }
    return out;
}

std::vector<Stem> stemsOf(const Patch& patch, const Library& library) {
    const std::vector<Exit> exits = exitsOf(patch, library);
    std::vector<Stem> out;
    // What the sound of other voices comes into is a bus, whatever it is called: it belongs to all.
    auto heard = voicesIn(patch, library);
    std::set<std::string> buses;
    for (const Post& post : patch.posts)
        if (!post.voice.empty() && heard[post.id].size() > 1) buses.insert(post.voice);
    const auto isBus = [&](const std::string& voice) { return buses.contains(voice); };
    for (const Post& post : patch.posts)
        if (!post.voice.empty() && !isBus(post.voice) && std::ranges::find(out, post.voice, &Stem::voice) == out.end())
            out.push_back({post.voice, {}});
    for (Stem& stem : out)
        for (const Exit& exit : exits)
            if (exit.from != stem.voice && !isBus(exit.from)) stem.silenced.push_back(exit.cable);
    return out;
}

std::vector<std::string> stemFiles(const std::string& title, const std::vector<std::string>& voices) {
    std::vector<std::string> files;
    for (const std::string& voice : voices) {
        const std::string name = stemName(title, voice);
        std::string file = name + ".wav";
        for (int n = 2; std::ranges::find(files, file) != files.end(); ++n) file = fmt::format("{}-{}.wav", name, n);
        files.push_back(std::move(file));
    }
    return files;
}

} // namespace lariat
