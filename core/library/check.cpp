#include "library/check.h"

#include "model/file.h"
#include "model/read_error.h"

#include <algorithm>
#include <set>

#include <fmt/format.h>

namespace lariat {
namespace {

void readSpoken(Post& post, const PartInfo& part, const std::string& path) {
    for (const auto& [id, text] : post.spoken) {
        const KnobInfo* knob = part.knob(id);
        if (!knob) throw ReadError(path + "/knobs/" + id, say("{} has no knob \"{}\"", part.name, id));
        const auto value = knob->scale.parse(text);
        if (!value)
            throw ReadError(path + "/knobs/" + id,
                            say("\"{}\" is none of its values: {}", text, knob->scale.expectation()));
        post.knobs[id] = *value;
    }
    post.spoken.clear();
}

/// What is unknown is a knob of the part, and its guess lies where it may be.
void checkUnknown(Post& post, const PartInfo& part, const std::string& path) {
    for (const auto& [id, range] : post.unknown) {
        const KnobInfo* knob = part.knob(id);
        if (!knob || knob->momentary)
            throw ReadError(path + "/unknown/" + id, say("{} has no knob \"{}\"", part.name, id));
        const Scale& scale = knob->scale;
        for (const auto& end : {range.low, range.high})
            if (end && !(*end >= scale.min && *end <= scale.max))
                throw ReadError(path + "/unknown/" + id,
                                say("{:g} is outside its range, {}", *end, scale.expectation()));
        const double low = range.low.value_or(scale.min);
        const double high = range.high.value_or(scale.max);
        const double guess = knobValue(post, *knob);
        // The guess follows what is known: the middle of what is left, as the hand sees it.
        if (guess < low || guess > high)
            post.knobs[id] = scale.toValue(0.5 * (scale.toFraction(low) + scale.toFraction(high)));
    }
}

void checkPost(Post& post, std::size_t number, const Library& library) {
    const std::string path = fmt::format("posts/{}", number);
    const ModuleInfo* module = library.module(post.module);
    if (!module)
        throw ReadError(path + "/module",
                        say("there is no module \"{}\"; add its description to the module folder", post.module));
    const PartInfo* part = module->part(post.part);
    if (!part) throw ReadError(path + "/part", say("{} has no part \"{}\"", module->description.name, post.part));
    if (!post.sample.empty() && !library.sample(post.sample))
        throw ReadError(path + "/sample", say("there is no recording \"{}\"; put {}.wav into the samples folder",
                                              post.sample, post.sample));
    if (!post.tuning.empty() && !library.tuning(post.tuning))
        throw ReadError(path + "/tuning",
                        say("there is no tuning \"{}\"; put {}.scl into the tunings folder", post.tuning, post.tuning));
    readSpoken(post, *part, path);
    for (const auto& [id, value] : post.knobs) {
        const KnobInfo* knob = part->knob(id);
        if (!knob) throw ReadError(path + "/knobs/" + id, say("{} has no knob \"{}\"", part->name, id));
        if (knob->momentary)
            throw ReadError(path + "/knobs/" + id, say("is a button, which stands in no patch; take it out"));
        if (!(value >= knob->scale.min && value <= knob->scale.max) && knob->scale.taper == Taper::Switch)
            throw ReadError(path + "/knobs/" + id,
                            say("{:g} is no position of this switch; they are counted from 0 (\"{}\") to {} (\"{}\")",
                                value, knob->scale.words.front(), knob->scale.words.size() - 1,
                                knob->scale.words.back()));
        if (!(value >= knob->scale.min && value <= knob->scale.max))
            throw ReadError(path + "/knobs/" + id,
                            say("{:g} is outside its range, {}", value, knob->scale.expectation()));
    }
    checkUnknown(post, *part, path);
}

void checkCable(const Patch& patch, const Cable& cable, std::size_t number, const Library& library,
                std::set<JackRef>& taken) {
    const auto look = [&](const JackRef& ref, const char* end, bool output) {
        const std::string path = fmt::format("cables/{}/{}", number, end);
        const Post* post = patch.post(ref.post);
        if (!post) throw ReadError(path, say("there is no post \"{}\"", ref.post));
        const JackInfo* jack = library.jack(patch, ref);
        if (!jack) throw ReadError(path, say("{} has no jack \"{}\"", post->name, ref.jack));
        if (jack->output != output)
            throw ReadError(path, jack->output ? say("{} of {} is an output; a cable runs from an output to an input",
                                                     jack->name, post->name)
                                               : say("{} of {} is an input; a cable runs from an output to an input",
                                                     jack->name, post->name));
    };
    look(cable.from, "from", true);
    look(cable.to, "to", false);
    if (!taken.insert(cable.to).second)
        throw ReadError(fmt::format("cables/{}/to", number),
                        say("{} holds a plug already; two outputs are summed by a mixer", cable.to.text()));
}

bool plays(const PartInfo& part, bool BlockType::*what) {
    return std::ranges::any_of(part.blocks, [&](const PartBlock& block) { return block.type->*what; });
}

} // namespace

Result<Patch> checkPatch(Patch patch, const Library& library) {
    try {
        std::set<std::pair<std::string, std::string>> places;
        for (std::size_t i = 0; i < patch.posts.size(); ++i) {
            Post& post = patch.posts[i];
            checkPost(post, i + 1, library);
            if (!places.emplace(post.slot, post.part).second)
                throw ReadError(fmt::format("posts/{}", i + 1),
                                say("{} of {} is in use already", post.part, post.slot));
        }
        std::set<JackRef> taken;
        for (std::size_t i = 0; i < patch.cables.size(); ++i) checkCable(patch, patch.cables[i], i + 1, library, taken);
        for (std::size_t i = 0; i < patch.openEnds.size(); ++i) {
            const JackRef& at = patch.openEnds[i].at;
            const JackInfo* jack = library.jack(patch, at);
            const char* side = patch.openEnds[i].output ? "from" : "to";
            if (!jack || jack->output != patch.openEnds[i].output)
                throw ReadError(fmt::format("open-ends/{}/{}", i + 1, side),
                                patch.openEnds[i].output ? say("there is no output \"{}\"", at.text())
                                                         : say("there is no input \"{}\"", at.text()));
        }
        for (std::size_t i = 0; i < patch.patterns.size(); ++i) {
            const Post* post = patch.post(patch.patterns[i]->post);
            const PartInfo* part = post ? library.part(*post) : nullptr;
            if (!part || !plays(*part, &BlockType::playsPattern))
                throw ReadError(fmt::format("patterns/{}/post", i + 1),
                                say("\"{}\" is not a sequencer in this patch", patch.patterns[i]->post));
        }
        for (std::size_t i = 0; i < patch.performances.size(); ++i) {
            const Post* post = patch.post(patch.performances[i]->post);
            const PartInfo* part = post ? library.part(*post) : nullptr;
            if (!part || !plays(*part, &BlockType::isPlayed))
                throw ReadError(fmt::format("performances/{}/post", i + 1),
                                say("\"{}\" is not played by hand in this patch; keys, a MIDI converter or a pad are",
                                    patch.performances[i]->post));
        }
        return patch;
    } catch (const ReadError& error) {
        return failure(error.reason, error.path);
    }
}

Result<Patch> openPatch(const std::filesystem::path& file, const Library& library) {
    auto patch =
        readFile(file).and_then(readPatch).and_then([&](Patch read) { return checkPatch(std::move(read), library); });
    if (!patch) patch.error().file = file.string();
    return patch;
}

} // namespace lariat
