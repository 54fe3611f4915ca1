#include "building/voice.h"

#include "building/assign.h"
#include "building/nobody_knows.h"
#include "building/rehouse.h"

#include <algorithm>

#include <fmt/format.h>

namespace lariat {

Result<Edits> duplicateVoice(const Patch& patch, const Library& library, const Case* housing, const std::string& voice,
                             const std::string& newName) {
    if (newName.empty() || newName == voice) return failure(say("the copy of a voice needs a name of its own"));
    std::map<std::string, Post> copies;
    std::vector<std::string> missing;
    Patch grown = patch;
    Edits edits;
    // Clocks, sequencers and ways out serve all voices; only what makes the sound is doubled.
    const auto isShared = [&](const Post& post) {
        const PartInfo& part = *library.part(post);
        return part.has("clock") || part.has("track-sequencer") || part.has("line-out");
    };
    std::vector<const Post*> originals;
    for (const Post& post : patch.posts)
        if (post.voice == voice && !isShared(post)) originals.push_back(&post);
    // All of them at once: one part that only one of them can use is left to it.
    const std::vector<FreePart> free = freeParts(patch, library, housing);
    std::vector<std::vector<std::size_t>> mayHave;
    for (const Post* post : originals) mayHave.push_back(partsFor(*post, library, free));
    const auto seats = assign(mayHave);
    for (std::size_t i = 0; i < originals.size(); ++i) {
        const Post& post = *originals[i];
        const bool unknown = isUnknownPart(post);
        if (!seats[i] && !unknown) {
            missing.push_back(post.name);
            continue;
        }
        Post copy = unknown ? unknownPart(grown, post.name, newName) : postFor(grown, free[*seats[i]], newName);
        copy.knobs = post.knobs;
        copy.sample = post.sample;
        copy.tuning = post.tuning;
        copy.note = post.note;
        grown.posts.push_back(copy);
        edits.emplace_back(AddPost{copy});
        if (const Pattern* pattern = patch.pattern(post.id)) {
            Pattern again = *pattern;
            again.post = copy.id;
            edits.emplace_back(SetPattern{again});
        }
        copies.emplace(post.id, std::move(copy));
    }
    if (!missing.empty()) return failure(say("the case has nothing left for {}", fmt::join(missing, ", ")));
    if (copies.empty()) return failure(say("there is no voice \"{}\"", voice));
    for (const Cable& cable : patch.cables) {
        const auto from = copies.find(cable.from.post);
        const auto to = copies.find(cable.to.post);
        Cable again = cable;
        again.id = 0;
        again.voice = newName;
        again.lengthCm = 0;
        again.colour.clear();
        if (from != copies.end()) again.from.post = from->second.id;
        if (to != copies.end()) {
            again.to.post = to->second.id;
        } else if (from != copies.end()) { // on to a mixer or way out: into its next free input
            const PartInfo& part = *library.part(*patch.post(cable.to.post));
            const JackInfo* free = nullptr;
            for (const JackInfo& jack : part.jacks)
                if (!free && !jack.output && jack.kind == part.jack(cable.to.jack)->kind &&
                    !grown.cableInto({cable.to.post, jack.id}))
                    free = &jack;
            if (!free) continue; // the user chooses where it goes
            again.to.jack = free->id;
        } else {
            continue;
        }
        again.id = grown.freshCableId();
        grown.cables.push_back(again);
        edits.emplace_back(TieCable{again, 0});
    }
    return edits;
}

} // namespace lariat
