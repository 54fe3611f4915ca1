#include "building/sentences.h"

#include "building/capacity.h"
#include "building/flow.h"
#include "building/nobody_knows.h"
#include "library/meaning.h"
#include "library/tie.h"
#include "library/words.h"
#include "model/pattern_text.h"
#include "timing/pattern_edits.h"
#include "units/letters.h"
#include "units/number.h"

#include <algorithm>
#include <array>
#include <cmath>
#include <optional>
#include <utility>

#include <fmt/format.h>

namespace lariat {
namespace {

/// What people call a function beside the name of its block.
struct OtherName {
    const char* said;
    std::array<const char*, 3> types;
};
constexpr OtherName kOtherNames[] = {
    {"osc", {"vco"}},           {"oscillator", {"vco"}},
    {"env", {"contour"}},       {"envelope", {"contour"}},
    {"adsr", {"contour"}},      {"filter", {"svf", "ladder"}},
    {"vcf", {"svf", "ladder"}}, {"sequencer", {"track-sequencer", "step-sequencer", "trigger-pattern"}},
    {"out", {"line-out"}},      {"output", {"line-out"}},
    {"keyboard", {"keys"}},
};

std::vector<std::string> typesCalled(const std::string& said) {
    std::vector<std::string> types;
    for (const BlockType& type : blockTypes())
        if (looseWords(type.id) == said || looseWords(type.name) == said) types.push_back(type.id);
    for (const OtherName& other : kOtherNames)
        if (said == other.said)
            for (const char* type : other.types)
                if (type) types.emplace_back(type);
    return types;
}

/// A line without the "- " or "12." that it has in a list.
std::string_view withoutMark(std::string_view line) {
    line.remove_prefix(std::min(line.find_first_not_of(" \t\r"), line.size()));
    if (line.starts_with("- ") || line.starts_with("* ")) return line.substr(2);
    const auto digits = std::min(line.find_first_not_of("0123456789"), line.size());
    const bool number = digits > 0 && digits < line.size() && (line[digits] == '.' || line[digits] == ')');
    return number ? line.substr(digits + 1) : line;
}

std::vector<std::string> wordsOf(const std::string& text) {
    std::vector<std::string> words;
    std::size_t begin = 0;
    while (begin < text.size()) {
        const std::size_t end = std::min(text.find(' ', begin), text.size());
        if (end > begin) words.push_back(text.substr(begin, end - begin));
        begin = end + 1;
    }
    return words;
}

std::string joined(const std::vector<std::string>& words, std::size_t begin, std::size_t end) {
    return fmt::format("{}", fmt::join(words.begin() + static_cast<std::ptrdiff_t>(begin),
                                       words.begin() + static_cast<std::ptrdiff_t>(end), " "));
}

/// The patch as it grows, sentence by sentence. Copied to try what a sentence may mean.
class Build {
  public:
    Build(const Patch& patch, const Library& library, const Case* housing)
        : patch_(patch), library_(&library), housing_(housing) {}

    Result<void> read(const std::string& sentence);
    [[nodiscard]] Sentences take() && { return std::move(said_); }

  private:
    Result<void> apply(Edit edit) {
        auto next = applyEdit(patch_, edit);
        if (!next) return tl::unexpected(next.error());
        patch_ = std::move(*next);
        said_.edits.push_back(std::move(edit));
        return {};
    }
    Result<void> tie(const std::string& sentence);
    Result<void> turn(const std::string& sentence);
    Result<void> call(const std::string& rest);
    std::optional<Result<void>> openEnd(const std::string& sentence);
    /// "tracks track 1, swing 60: d3 d3 - f3"; nothing if it is no such sentence.
    std::optional<Result<void>> play(const std::string& sentence);
    Result<void> note(const std::string& text, const std::string& post);
    Result<JackRef> end(const std::string& text, bool output);
    Result<std::string> post(const std::string& head);
    [[nodiscard]] std::optional<JackRef> jackOf(const Post& post, const std::string& word, bool output) const;
    Result<std::string> takeOut(const std::vector<FreePart>& free, const std::string& word, bool output);
    [[nodiscard]] Error unknown(const std::string& text, bool output) const;

    Patch patch_;
    const Library* library_;
    const Case* housing_;
    std::string voice_;
    std::string step_;
    bool headed_ = false;
    Sentences said_;
};

/// The jack of a post that a word means: by its name or id, or the first free one that begins with it ("in" is "in 1").
std::optional<JackRef> Build::jackOf(const Post& post, const std::string& word, bool output) const {
    const PartInfo& part = *library_->part(post);
    const std::string wanted = looseWords(word);
    const auto named = [&](const JackInfo& jack) {
        return looseWords(jackWord(patch_, *library_, {post.id, jack.id}));
    };
    for (const JackInfo& jack : part.jacks)
        if (jack.output == output && (named(jack) == wanted || looseWords(jack.id) == wanted))
            return JackRef{post.id, jack.id};
    for (const JackInfo& jack : part.jacks)
        if (jack.output == output && named(jack).starts_with(wanted + " ") &&
            (output || !patch_.cableInto({post.id, jack.id})))
            return JackRef{post.id, jack.id};
    return std::nullopt;
}

/// A post that is in use, by its name, its id, or a function that only it has. An error if several are meant; an empty
/// text if none is.
Result<std::string> Build::post(const std::string& head) {
    std::vector<const Post*> found;
    for (const Post& one : patch_.posts) {
        if (one.id == head && head.find('-') != std::string::npos) return one.id; // written as an id, it is one
        if (looseWords(one.name) == looseWords(head)) found.push_back(&one);
    }
    if (found.empty())
        for (const Post& one : patch_.posts)
            if (looseWords(one.id) == looseWords(head)) return one.id;
    if (found.empty()) {
        const auto types = typesCalled(looseWords(head));
        for (const Post& one : patch_.posts)
            if (std::ranges::any_of(types, [&](const std::string& type) { return library_->part(one)->has(type); }))
                found.push_back(&one);
    }
    if (found.size() > 1) {
        std::vector<std::string> names;
        for (const Post* one : found)
            names.push_back(one->name == found[0]->name && found[1]->name == found[0]->name ? one->id : one->name);
        return failure(say("\"{}\" may be {}; write which", head, fmt::join(names, " or ")));
    }
    return found.empty() ? std::string() : found.front()->id;
}

/// The first of these parts that has such a jack becomes a post.
Result<std::string> Build::takeOut(const std::vector<FreePart>& free, const std::string& word, bool output) {
    for (const FreePart& one : free) {
        Build tried = *this;
        const Post made = postFor(patch_, one, voice_);
        if (!tried.apply(AddPost{made}) || !tried.jackOf(made, word, output)) continue;
        tried.said_.taken.push_back(
            fmt::format("{} of {}, row {}", made.name, one.module->description.name, one.slot->row));
        *this = std::move(tried);
        return made.id;
    }
    return std::string();
}

Error Build::unknown(const std::string& text, bool output) const {
    std::vector<std::string> names;
    const auto add = [&](const std::string& post, const PartInfo& part) {
        for (const JackInfo& jack : part.jacks)
            if (jack.output == output) names.push_back(post + " " + jack.name);
    };
    for (const Post& post : patch_.posts) add(post.name, *library_->part(post));
    for (const FreePart& free : freeParts(patch_, *library_, housing_)) add(free.part->name, *free.part);
    return noSuchJack(text, names, output);
}

/// One end of a cable: the longest beginning that names a post, a part or a function, and behind it the jack.
Result<JackRef> Build::end(const std::string& text, bool output) {
    std::string said = text;
    std::ranges::replace(said, '.', ' ');
    said = plainWords(said);
    bool another = false;
    for (const char* word : {"another ", "a new ", "one more "})
        if (said.starts_with(word)) {
            said.erase(0, std::string_view(word).size());
            another = true;
        }
    const std::vector<std::string> words = wordsOf(said);
    std::optional<Error> problem;
    for (std::size_t n = words.size(); n-- > 1;) {
        const std::string head = joined(words, 0, n);
        const std::string word = joined(words, n, words.size());
        if (!another) {
            const auto known = post(head);
            if (!known) {
                problem = known.error();
                continue;
            }
            if (!known->empty()) {
                if (auto jack = jackOf(*patch_.post(*known), word, output)) return *jack;
                continue;
            }
        }
        std::vector<FreePart> fitting;
        const auto all = freeParts(patch_, *library_, housing_);
        std::ranges::copy_if(all, std::back_inserter(fitting), [&](const FreePart& free) {
            return looseWords(free.part->name) == looseWords(head) ||
                   looseWords(free.module->description.name + " " + free.part->name) == looseWords(head);
        });
        const auto types = typesCalled(looseWords(head));
        std::ranges::copy_if(all, std::back_inserter(fitting), [&](const FreePart& free) {
            return std::ranges::any_of(types, [&](const std::string& type) { return free.part->has(type); });
        });
        const auto made = takeOut(fitting, word, output);
        if (made && !made->empty()) return *jackOf(*patch_.post(*made), word, output);
        if (fitting.empty() && !types.empty() && !problem)
            problem = Error{{}, {}, say("every {} of this case is in use", head)};
    }
    return tl::unexpected(problem ? *problem : unknown(text, output));
}

/// "osc saw to ?", "? to filter in 1": a cable of which nobody knows the other end.
std::optional<Result<void>> Build::openEnd(const std::string& sentence) {
    const auto unknown = [](std::string_view text) { return text == "?" || text == "unknown"; };
    const auto at = sentence.find(" to ");
    if (at == std::string::npos) return std::nullopt;
    const bool output = unknown(std::string_view(sentence).substr(at + 4));
    if (!output && !unknown(std::string_view(sentence).substr(0, at))) return std::nullopt;
    const auto known = end(output ? sentence.substr(0, at) : sentence.substr(at + 4), output);
    if (!known) return Result<void>(tl::unexpected(known.error()));
    OpenEnd open;
    open.at = *known;
    open.output = output;
    open.voice = headed_ ? voice_ : patch_.post(known->post)->voice;
    open.step = step_;
    ++said_.others;
    return apply(AddOpenEnd{open});
}

Result<void> Build::tie(const std::string& sentence) {
    // A name may have a "to" of its own: the first one that leaves two jacks is meant.
    std::optional<Error> problem;
    bool knewOutput = false;
    for (auto at = sentence.find(" to"); at != std::string::npos; at = sentence.find(" to", at + 1)) {
        if (at + 3 < sentence.size() && sentence[at + 3] != ' ') continue;
        Build tried = *this;
        const auto from = tried.end(sentence.substr(0, at), true);
        const auto to = from ? tried.end(plainWords(std::string_view(sentence).substr(at + 3)), false)
                             : Result<JackRef>(tl::unexpected(from.error()));
        if (!to) {
            if (!problem || (from && !knewOutput)) problem = to.error();
            knewOutput = knewOutput || from;
            continue;
        }
        auto cable = makeTie(*from, *to, tried.patch_, *library_);
        if (!cable) return tl::unexpected(cable.error());
        if (headed_) {
            cable->cable.voice = voice_;
            cable->cable.step = step_;
            cable->row = 0;
            for (std::size_t i = 0; i < patch_.cables.size(); ++i)
                if (patch_.cables[i].voice == voice_ && patch_.cables[i].step == step_)
                    cable->row = static_cast<int>(i) + 2;
        }
        if (auto done = tried.apply(*cable); !done) return done;
        tried.said_.tied.push_back(*to);
        *this = std::move(tried);
        return {};
    }
    return problem
               ? Result<void>(tl::unexpected(*problem))
               : failure(say("write which output goes to which input, as in \"clock 16ths to tracks clock\", or which "
                             "knob stands where, as in \"filter cutoff 412 Hz\""));
}

namespace {

/// "unknown", "?", "between 10:00 and 12:00"; nothing if it is a setting.
std::optional<Result<Unknown>> readUnknown(const std::string& text, const Scale& scale) {
    if (text == "unknown" || text == "?") return Unknown{};
    if (!text.starts_with("between ")) return std::nullopt;
    const std::string rest = text.substr(8);
    const auto at = rest.find(" and ");
    const auto low = at == std::string::npos ? std::nullopt : scale.parse(rest.substr(0, at));
    const auto high = at == std::string::npos ? std::nullopt : scale.parse(rest.substr(at + 5));
    if (!low || !high || *low > *high || *low < scale.min || *high > scale.max || scale.taper == Taper::Switch)
        return failure(
            say("\"{}\" says nothing; write between which two, the lower first: {}", text, scale.expectation()));
    return Unknown{low, high};
}

} // namespace

Result<void> Build::turn(const std::string& sentence) {
    const std::vector<std::string> words = wordsOf(sentence);
    for (std::size_t n = words.size(); n-- > 1;) {
        const auto known = post(joined(words, 0, n));
        if (!known || known->empty()) continue;
        const Post& post = *patch_.post(*known);
        const PartInfo& part = *library_->part(post);
        for (std::size_t k = words.size(); k-- > n;) {
            const std::string said = looseWords(joined(words, n, k + 1));
            const auto knob = std::ranges::find_if(part.knobs, [&](const KnobInfo& one) {
                if (one.momentary) return false; // pressed, not set
                return looseWords(one.name) == said || looseWords(one.id) == said ||
                       looseWords(*knobInForce(patch_, post, part, one).name) == said;
            });
            if (knob == part.knobs.end()) continue;
            std::size_t v = k + 1;
            while (v < words.size() && (words[v] == "at" || words[v] == "to" || words[v] == "=" || words[v] == "is"))
                ++v;
            const std::string text = joined(words, v, words.size());
            if (const auto unknown = readUnknown(text, knob->scale)) {
                if (!*unknown) return tl::unexpected(unknown->error());
                ++said_.others;
                return apply(SetUnknown{post.id, knob->id, **unknown});
            }
            // What the knob does now counts first, then what it does without plugs and modes; its place on the dial
            // is kept either way.
            const KnobInForce now = knobInForce(patch_, post, part, *knob);
            const double tempo = tempoOf(patch_, *library_);
            const auto within = [](const Scale& scale, std::optional<double> value) {
                return value && *value >= scale.min && *value <= scale.max ? value : std::nullopt;
            };
            auto value = within(*now.scale, now.scale->parse(text, tempo));
            if (value && now.scale != &knob->scale) value = knob->scale.toValue(now.scale->toFraction(*value));
            if (!value) value = within(knob->scale, knob->scale.parse(text, tempo));
            if (!value)
                return failure(say("\"{}\" is not a setting of {} {}: it takes {}", text, post.name, *now.name,
                                   now.scale->expectation()));
            ++said_.others;
            return apply(SetKnob{post.id, knob->id, *value});
        }
    }
    return failure(Sentence{});
}

Result<void> Build::call(const std::string& rest) {
    const std::vector<std::string> words = wordsOf(rest);
    for (std::size_t n = words.size(); n-- > 1;) {
        const auto known = post(joined(words, 0, n));
        if (!known || known->empty()) continue;
        const Post& post = *patch_.post(*known);
        ++said_.others;
        return apply(DescribePost{post.id, joined(words, n, words.size()), post.voice, post.note});
    }
    return failure(say("write which post is to be called what, as in \"call osc a Leader\""));
}

std::optional<Result<void>> Build::play(const std::string& sentence) {
    const std::size_t colon = sentence.find(':');
    if (colon == std::string::npos) return std::nullopt;
    const std::size_t comma = std::min(sentence.find(','), colon);
    std::vector<std::string> words = wordsOf(plainWords(sentence.substr(0, comma)));
    int variation = 0;
    if (words.size() > 2 && words.back().size() == 1 && words.back()[0] >= 'a' && words.back()[0] <= 'h') {
        variation = words.back()[0] - 'a';
        words.pop_back();
    }
    if (words.size() < 3 || (words[words.size() - 2] != "track" && words[words.size() - 2] != "lane"))
        return std::nullopt;
    const auto number = parseNumber(words.back());
    if (!number || *number < 1.0 || *number > 64.0 || *number != std::floor(*number)) return std::nullopt;
    const auto known = post(joined(words, 0, words.size() - 2));
    if (!known) return Result<void>(tl::unexpected(known.error()));
    const auto sequencer = known->empty() ? std::nullopt : sequencerOf(patch_, *library_, *known);
    if (!sequencer || !sequencer->plays)
        return Result<void>(failure(say("\"{}\" has no tracks or lanes to write", joined(words, 0, words.size() - 2))));
    const LineRef line{*known, words[words.size() - 2] == "lane", static_cast<int>(*number) - 1};
    auto pattern = withLine(patternOf(patch_, *known), line, variation, sentence.substr(colon + 1));
    if (!pattern) return Result<void>(tl::unexpected(pattern.error()));
    if (comma < colon) {
        const auto stride = readStrideWords(sentence.substr(comma, colon - comma));
        if (!stride) return Result<void>(tl::unexpected(stride.error()));
        if (line.lane)
            laneAt(*pattern, variation, line.index).stride = *stride;
        else
            trackAt(*pattern, variation, line.index).stride = *stride;
    }
    if (const Sentence why = tooMuchFor(*sequencer, *pattern); !why.empty()) return Result<void>(failure(why));
    ++said_.others;
    return apply(SetPattern{std::move(*pattern)});
}

Result<void> Build::note(const std::string& text, const std::string& head) {
    ++said_.others;
    if (head.empty()) {
        if (said_.tied.empty()) return failure(say("no cable was tied before this note"));
        const Cable& cable = *patch_.cableInto(said_.tied.back());
        return apply(DescribeCable{cable.id, text, cable.lengthCm, cable.colour});
    }
    const auto known = post(plainWords(head));
    if (!known) return tl::unexpected(known.error());
    if (known->empty()) return failure(say("there is no post \"{}\"", head));
    const Post& post = *patch_.post(*known);
    return apply(DescribePost{post.id, post.name, post.voice, text});
}

Result<void> Build::read(const std::string& line) {
    const auto rest = [&](std::string_view start) -> std::optional<std::string> {
        if (!plainWords(line.substr(0, start.size())).starts_with(plainWords(start))) return std::nullopt;
        std::string text = line.substr(std::min(start.size(), line.size()));
        text.erase(0, std::min(text.find_first_not_of(" \t"), text.size()));
        return text;
    };
    if (line.starts_with('#')) {
        const std::string heading = *rest("#");
        const std::size_t dot = heading.find("·");
        const auto trimmed = [](std::string text) {
            text.erase(0, std::min(text.find_first_not_of(" \t"), text.size()));
            while (!text.empty() && text.back() == ' ') text.pop_back();
            return text;
        };
        voice_ = trimmed(heading.substr(0, dot));
        step_ = dot == std::string::npos ? std::string() : trimmed(heading.substr(dot + std::string_view("·").size()));
        headed_ = true;
        return {};
    }
    if (const auto title = rest("title:")) {
        if (title->empty()) return failure(say("a title is missing"));
        ++said_.others;
        return apply(SetTitle{*title});
    }
    if (const auto text = rest("note:")) return note(*text, {});
    if (const auto text = rest("note on "); text && text->find(':') != std::string::npos) {
        const std::size_t colon = text->find(':');
        return note(text->substr(std::min(colon + 2, text->size())), text->substr(0, colon));
    }
    if (const auto text = rest("call ")) return call(*text);
    if (const auto name = rest("unknown part ")) {
        if (name->empty()) return failure(say("write what it is called, as in \"unknown part grey box\""));
        ++said_.others;
        return apply(AddPost{unknownPart(patch_, *name, voice_)});
    }
    if (auto played = play(line)) return *played;
    const std::string sentence = plainWords(line);
    if (auto open = openEnd(sentence)) return *open;
    Build tried = *this;
    const auto turned = tried.turn(sentence);
    if (turned) {
        *this = std::move(tried);
        return {};
    }
    const auto tied = tie(sentence);
    return tied || turned.error().reason.empty() ? tied : turned;
}

/// What follows is a note or a title.
bool isFreeText(std::string_view text) {
    constexpr std::size_t kEnough = 40; // for a mark and the word
    const std::string line = lower(withoutMark(trimmed(text.substr(0, std::min(text.find('\n'), kEnough)))));
    return line.starts_with("note:") || line.starts_with("note on ") || line.starts_with("title:");
}

} // namespace

Result<Sentences> readSentences(const std::string& text, const Patch& patch, const Library& library,
                                const Case* housing) {
    Build build(patch, library, housing);
    std::size_t number = 0;
    for (std::size_t begin = 0; begin <= text.size();) {
        // A note or a title goes to the end of its line, semicolons and all.
        const char* const ends = isFreeText(std::string_view(text).substr(begin)) ? "\n" : "\n;";
        const std::size_t end = std::min(text.find_first_of(ends, begin), text.size());
        std::string line(withoutMark(std::string_view(text).substr(begin, end - begin)));
        line.erase(0, std::min(line.find_first_not_of(" \t\r"), line.size()));
        while (!line.empty() && (line.back() == ' ' || line.back() == '\r' || line.back() == '\t')) line.pop_back();
        begin = end + 1;
        if (line.empty()) continue;
        ++number;
        const std::string shown = line.size() > 80 ? line.substr(0, 80) + "…" : line;
        const auto fail = [&](Sentence why) {
            return failure(inside(say("sentence {}, \"{}\"", number, shown), std::move(why)));
        };
        if (number > kMostSentences) return fail(say("at most {} are read at once", kMostSentences));
        const std::size_t most = line.find(':') < kLongestSentence ? kLongestLine : kLongestSentence;
        if (line.size() > most) return fail(say("it is {} characters long, at most {} are read", line.size(), most));
        if (auto read = build.read(line); !read) return fail(read.error().reason);
    }
    Sentences said = std::move(build).take();
    if (said.edits.empty())
        return failure(say("write which output goes to which input, as in \"clock 16ths to tracks clock\""));
    said.edits = withNewcomersPlaced(patch, std::move(said.edits));
    return said;
}

std::vector<Completion> completeSentence(const std::string& text, const Patch& patch, const Library& library,
                                         const Case* housing, std::size_t limit) {
    std::vector<Completion> out;
    if (text.size() > kLongestSentence) return out;
    for (std::string& sentence : completeTie(text, patch, library, limit)) {
        Sentence about = aboutCompletion(sentence, patch, library);
        out.push_back({std::move(sentence), std::move(about)});
    }
    // What is typed behind the last "to", or all of it, may name a part that is still in the case.
    const std::string typed = plainWords(text) + (text.ends_with(' ') ? " " : "");
    const std::size_t to = typed.find(" to ");
    std::string head;
    if (to != std::string::npos) head = typed.substr(0, to + 4);
    const std::string wanted =
        to == std::string::npos ? plainWords(typed) : plainWords(std::string_view(typed).substr(to + 4));
    for (const FreePart& free : freeParts(patch, library, housing))
        for (const JackInfo& jack : free.part->jacks) {
            if (out.size() >= limit) return out;
            if (jack.output != head.empty()) continue;
            const std::string name = free.part->name + " " + jack.name;
            const std::string sentence = head.empty() ? name + " to " : head + name;
            if (plainWords(name).find(wanted) == std::string::npos ||
                std::ranges::count(out, sentence, &Completion::text) > 0)
                continue;
            out.push_back({sentence, say("free: {}, row {}", free.module->description.name, free.slot->row)});
        }
    return out;
}

} // namespace lariat
