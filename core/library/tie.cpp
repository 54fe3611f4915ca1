#include "library/tie.h"

#include "library/meaning.h"

#include <algorithm>
#include <cctype>
#include <numeric>
#include <optional>

#include <fmt/format.h>

namespace lariat {
namespace {

/// In small letters, with single spaces.
std::string plain(std::string_view text) {
    std::string out;
    bool space = true; // drops leading and double spaces
    for (const char c : text) {
        const bool blank = std::isspace(static_cast<unsigned char>(c)) != 0;
        if (blank && space) continue;
        out += blank ? ' ' : static_cast<char>(std::tolower(static_cast<unsigned char>(c)));
        space = blank;
    }
    while (!out.empty() && out.back() == ' ') out.pop_back();
    return out;
}

/// Edits needed to turn one word into another (Levenshtein).
std::size_t distance(const std::string& a, const std::string& b) {
    std::vector<std::size_t> row(b.size() + 1);
    std::iota(row.begin(), row.end(), 0u);
    for (std::size_t i = 1; i <= a.size(); ++i) {
        std::size_t diagonal = row[0];
        row[0] = i;
        for (std::size_t j = 1; j <= b.size(); ++j) {
            const std::size_t change = diagonal + (a[i - 1] == b[j - 1] ? 0 : 1);
            diagonal = row[j];
            row[j] = std::min({row[j] + 1, row[j - 1] + 1, change});
        }
    }
    return row[b.size()];
}

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

bool means(const Named& named, const std::string& wanted) {
    const auto dashed = [](std::string text) {
        std::ranges::replace(text, '-', ' ');
        return text;
    };
    return plain(named.name) == wanted || plain(named.ref.text()) == wanted ||
           dashed(plain(named.ref.post + " " + named.ref.jack)) == dashed(wanted);
}

Result<Named> findJack(const std::string& text, const std::vector<Named>& among, const char* what) {
    const std::string wanted = plain(text);
    for (const Named& named : among)
        if (means(named, wanted)) return named;
    std::vector<const Named*> near;
    for (const Named& named : among) near.push_back(&named);
    std::ranges::sort(near, {}, [&](const Named* named) { return distance(plain(named->name), wanted); });
    std::vector<std::string> names;
    for (std::size_t i = 0; i < std::min<std::size_t>(3, near.size()); ++i) names.push_back(near[i]->name);
    if (wanted.empty())
        return failure(fmt::format("an {} is missing, for example \"{}\"", what, names.empty() ? "" : names.front()));
    return failure(fmt::format("there is no {} \"{}\"; near it: {}", what, text, fmt::join(names, ", ")));
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
    return plain(std::string_view(text).substr(std::min(text.size(), split + 2)));
}

/// A line without the "- " or "12." that it has in a list.
std::string_view withoutMark(std::string_view line) {
    line.remove_prefix(std::min(line.find_first_not_of(" \t\r"), line.size()));
    if (line.starts_with("- ") || line.starts_with("* ")) return line.substr(2);
    const auto digits = std::min(line.find_first_not_of("0123456789"), line.size());
    const bool number = digits > 0 && digits < line.size() && (line[digits] == '.' || line[digits] == ')');
    return number ? line.substr(digits + 1) : line;
}

} // namespace

std::string tieName(const JackRef& ref, const Patch& patch, const Library& library) {
    const Post* post = patch.post(ref.post);
    const JackInfo* jack = library.jack(patch, ref);
    return fmt::format("{} {}", post ? post->name : ref.post, jack ? jackWord(patch, library, ref) : ref.jack);
}

Result<TieCable> makeTie(JackRef a, JackRef b, const Patch& patch, const Library& library) {
    const JackInfo* first = library.jack(patch, a);
    const JackInfo* second = library.jack(patch, b);
    if (!first || !second) return failure("one of the jacks does not exist");
    if (first->output == second->output)
        return failure(first->output ? "both are outputs; two outputs must never be joined, sum them in a mixer"
                                     : "both are inputs; a cable runs from an output to an input");
    if (!first->output) std::swap(a, b);
    if (const Cable* there = patch.cableInto(b))
        return failure(fmt::format("{} holds cable {} already", tieName(b, patch, library), patch.row(there->id)));
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
    const std::string text = plain(sentence);
    const std::vector<std::size_t> splits = splitsOf(text);
    if (splits.empty()) return failure("write which output goes to which input, as in \"clock 16ths to tracks clock\"");
    const auto outputs = jacksOf(patch, library, true);
    const auto inputs = jacksOf(patch, library, false);
    // A name may have a "to" of its own: the first one that leaves two jacks is meant.
    std::optional<Error> problem;
    for (const std::size_t split : splits) {
        const auto output = findJack(text.substr(0, split), outputs, "output");
        const auto input = findJack(behind(text, split), inputs, "input");
        if (output && input) return makeTie(output->ref, input->ref, patch, library);
        if (!problem || output) problem = output ? input.error() : output.error();
    }
    return tl::unexpected(*problem);
}

Result<std::vector<Edit>> readTies(const std::string& text, const Patch& patch, const Library& library) {
    std::vector<Edit> edits;
    Patch grown = patch;
    std::size_t begin = 0;
    int number = 0;
    while (begin <= text.size()) {
        const std::size_t end = std::min(text.find_first_of("\n;", begin), text.size());
        const std::string sentence = plain(withoutMark(std::string_view(text).substr(begin, end - begin)));
        begin = end + 1;
        if (sentence.empty()) continue;
        ++number;
        const auto tie = readTie(sentence, grown, library);
        if (!tie) return failure(fmt::format("sentence {}, \"{}\": {}", number, sentence, tie.error().reason));
        edits.emplace_back(*tie);
        grown = *applyEdit(grown, *tie);
    }
    if (edits.empty()) return failure("write which output goes to which input, as in \"clock 16ths to tracks clock\"");
    return edits;
}

std::vector<std::string> completeTie(const std::string& text, const Patch& patch, const Library& library,
                                     std::size_t limit) {
    std::string typed = plain(text);
    std::string head;
    const JackInfo* output = nullptr;
    const auto splits = splitsOf(text);
    for (const std::size_t split : splits)
        if (const auto from = findJack(text.substr(0, split), jacksOf(patch, library, true), "output")) {
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
        const std::string name = plain(named.name);
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

std::string aboutCompletion(const std::string& sentence, const Patch& patch, const Library& library) {
    const auto splits = splitsOf(sentence);
    if (splits.empty()) return {};
    // An output alone ends with "to".
    const std::string input = behind(sentence, splits.back());
    const auto named = input.empty()
                           ? findJack(sentence.substr(0, splits.back()), jacksOf(patch, library, true), "output")
                           : findJack(input, jacksOf(patch, library, false), "input");
    if (!named) return {};
    const auto range = fmt::format("{:g}…{:+g} V", named->jack->min, named->jack->max);
    if (!input.empty()) return range;
    const auto used = std::ranges::count(patch.cables, named->ref, &Cable::from);
    return used == 0 ? range + ", free" : fmt::format("{}, in use {}×", range, used);
}

} // namespace lariat
