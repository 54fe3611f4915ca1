#include "library/tie.h"

#include "library/meaning.h"
#include "library/words.h"

#include <algorithm>
#include <cctype>

#include <fmt/format.h>

namespace lariat {
namespace {

struct Named {
    JackRef ref;
    const JackInfo* jack;
    std::string name; ///< "Osc A saw"
};

std::vector<Named> jacksOf(const Patch& patch, const Library& library, bool outputs) {
    std::vector<Named> all;
    for (const Post& post : patch.posts) {
        const PartInfo* part = library.part(post);
        if (!part) continue;
        for (const JackInfo& jack : part->jacks)
            if (jack.output == outputs)
                all.push_back(
                    {{post.id, jack.id}, &jack, post.name + " " + jackWord(patch, library, {post.id, jack.id})});
    }
    return all;
}

/// The one that is meant; nullptr if none is.
const Named* lookUp(const std::string& text, const std::vector<Named>& among) {
    const std::string wanted = looseWords(text);
    const auto found = std::ranges::find_if(among, [&](const Named& named) {
        return looseWords(named.name) == wanted || looseWords(named.ref.post + " " + named.ref.jack) == wanted ||
               plainWords(named.ref.text()) == plainWords(text);
    });
    return found == among.end() ? nullptr : &*found;
}

Error missing(const std::string& text, const std::vector<Named>& among, bool output) {
    std::vector<std::string> names;
    for (const Named& named : among) names.push_back(named.name);
    return noSuchJack(text, names, output);
}

/// Where the words "to" stand in a sentence: of each, the end of what is before it.
std::vector<std::size_t> splitsOf(const std::string& sentence) {
    std::string padded = " " + sentence + " ";
    std::ranges::transform(padded, padded.begin(), [](unsigned char c) { return static_cast<char>(std::tolower(c)); });
    std::vector<std::size_t> splits;
    // Counted in the padded text, the blank before "to" is the place of the word itself.
    for (auto at = padded.find(" to "); at != std::string::npos; at = padded.find(" to ", at + 1)) splits.push_back(at);
    return splits;
}

/// What stands behind such a "to".
std::string behind(const std::string& text, std::size_t split) {
    return plainWords(std::string_view(text).substr(std::min(text.size(), split + 2)));
}

} // namespace

Error noSuchJack(const std::string& text, const std::vector<std::string>& names, bool output) {
    if (text.empty()) {
        const std::string example = names.empty() ? std::string() : names.front();
        return {{},
                {},
                output ? say("an output is missing, for example \"{}\"", example)
                       : say("an input is missing, for example \"{}\"", example)};
    }
    const std::string near = fmt::format("{}", fmt::join(nearestWords(text, names), ", "));
    return {{},
            {},
            output ? say("there is no output \"{}\"; near it: {}", text, near)
                   : say("there is no input \"{}\"; near it: {}", text, near)};
}

std::string tieName(const JackRef& ref, const Patch& patch, const Library& library) {
    const Post* post = patch.post(ref.post);
    const JackInfo* jack = library.jack(patch, ref);
    return fmt::format("{} {}", post ? post->name : ref.post, jack ? jackWord(patch, library, ref) : ref.jack);
}

Result<TieCable> makeTie(JackRef a, JackRef b, const Patch& patch, const Library& library) {
    const JackInfo* first = library.jack(patch, a);
    const JackInfo* second = library.jack(patch, b);
    if (!first || !second) return failure(say("one of the jacks does not exist"));
    if (first->output == second->output)
        return failure(first->output ? say("both are outputs; two outputs must never be joined, sum them in a mixer")
                                     : say("both are inputs; a cable runs from an output to an input"));
    if (!first->output) std::swap(a, b);
    if (const Cable* there = patch.cableInto(b))
        return failure(say("{} holds cable {} already", tieName(b, patch, library), patch.row(there->id)));
    Cable cable{0, a, b, patch.post(b.post)->voice, "", "", 0, "", {}};
    if (cable.voice.empty()) cable.voice = patch.post(a.post)->voice;
    for (const Cable& other : patch.cables)
        if (other.voice == cable.voice) cable.step = other.step;
    int row = 0; // behind the last cable of the same heading
    for (std::size_t i = 0; i < patch.cables.size(); ++i)
        if (patch.cables[i].voice == cable.voice && patch.cables[i].step == cable.step) row = static_cast<int>(i) + 2;
    return TieCable{cable, row};
}

Result<TieCable> readTie(const std::string& sentence, const Patch& patch, const Library& library) {
    const std::string text = plainWords(sentence);
    const std::vector<std::size_t> splits = splitsOf(text);
    if (splits.empty())
        return failure(say("write which output goes to which input, as in \"clock 16ths to tracks clock\""));
    const auto outputs = jacksOf(patch, library, true);
    const auto inputs = jacksOf(patch, library, false);
    // A name may have a "to" of its own: the first one that leaves two jacks is meant.
    std::size_t best = splits.front();
    bool known = false;
    for (const std::size_t split : splits) {
        const Named* output = lookUp(text.substr(0, split), outputs);
        const Named* input = lookUp(behind(text, split), inputs);
        if (output && input) return makeTie(output->ref, input->ref, patch, library);
        if (output && !known) best = split;
        known = known || output;
    }
    return tl::unexpected(known ? missing(behind(text, best), inputs, false)
                                : missing(text.substr(0, best), outputs, true));
}

std::vector<std::string> completeTie(const std::string& text, const Patch& patch, const Library& library,
                                     std::size_t limit) {
    std::string typed = plainWords(text);
    std::string head;
    const JackInfo* output = nullptr;
    const auto splits = splitsOf(text);
    const auto outputs = jacksOf(patch, library, true);
    for (const std::size_t split : splits)
        if (const Named* from = lookUp(text.substr(0, split), outputs)) {
            typed = behind(text, split);
            head = from->name + " to ";
            output = from->jack;
        }
    struct Ranked {
        int rank;
        std::string text;
    };
    std::vector<Ranked> found;
    for (const Named& named : jacksOf(patch, library, !output)) {
        const std::string name = plainWords(named.name);
        const auto at = name.find(typed);
        if (at == std::string::npos) continue;
        if (output && patch.cableInto(named.ref)) continue;
        int rank = at == 0 ? 0 : 2;
        if (output && named.jack->kind != output->kind) ++rank;
        found.push_back({rank, output ? head + named.name : named.name + " to "});
    }
    std::ranges::stable_sort(found, {}, &Ranked::rank);
    std::vector<std::string> out;
    for (std::size_t i = 0; i < std::min(limit, found.size()); ++i) out.push_back(std::move(found[i].text));
    return out;
}

Sentence aboutCompletion(const std::string& sentence, const Patch& patch, const Library& library) {
    const auto splits = splitsOf(sentence);
    if (splits.empty()) return {};
    // An output alone ends with "to".
    const std::string input = behind(sentence, splits.back());
    const auto among = jacksOf(patch, library, input.empty());
    const Named* named = lookUp(input.empty() ? sentence.substr(0, splits.back()) : input, among);
    if (!named) return {};
    const auto range = fmt::format("{:g}…{:+g} V", named->jack->min, named->jack->max);
    if (!input.empty()) return plain(range);
    const auto used = std::ranges::count(patch.cables, named->ref, &Cable::from);
    return used == 0 ? say("{}, free", range) : say("{}, in use {}×", range, used);
}

} // namespace lariat
