#include "plan/free_wish.h"

#include "library/words.h"
#include "model/read_error.h"
#include "units/letters.h"

#include <algorithm>
#include <array>
#include <charconv>
#include <set>

#include <fmt/format.h>

namespace lariat {
namespace {

constexpr int kMostOfOne = 16;

/// Other words for functions.
struct Synonym {
    std::string_view word;
    std::string_view function;
};
constexpr std::array<Synonym, 26> kSynonyms = {{{"oscillator", "vco"},
                                                {"osc", "vco"},
                                                {"envelope", "contour"},
                                                {"env", "contour"},
                                                {"amplifier", "vca"},
                                                {"amp", "vca"},
                                                {"low pass", "filter"},
                                                {"vcf", "filter"},
                                                {"sequencer", "track"},
                                                {"sequence", "track"},
                                                {"keyboard", "keys"},
                                                {"midi", "keys"},
                                                {"lpg", "low-pass-gate"},
                                                {"folder", "wavefolder"},
                                                {"delay", "echo"},
                                                {"distortion", "drive"},
                                                {"ring mod", "ring"},
                                                {"random", "random"},
                                                {"s&h", "sample-hold"},
                                                {"sample hold", "sample-hold"},
                                                {"function", "function-generator"},
                                                {"drums", "lane"},
                                                {"output", "way-out"},
                                                {"out", "way-out"},
                                                {"line out", "way-out"},
                                                {"mix", "mixer"}}};

/// What is said about a thing, and which of its knobs it means.
struct Adjective {
    std::string_view word;
    std::string_view knob;
    std::string_view value;
};
constexpr std::array<Adjective, 14> kAdjectives = {{{"slow", "rate", "0.2 Hz"},
                                                    {"fast", "rate", "8 Hz"},
                                                    {"slow", "attack", "600 ms"},
                                                    {"fast", "attack", "1 ms"},
                                                    {"short", "decay", "90 ms"},
                                                    {"long", "decay", "1.5 s"},
                                                    {"short", "release", "60 ms"},
                                                    {"long", "release", "1.5 s"},
                                                    {"dark", "cutoff", "250 Hz"},
                                                    {"bright", "cutoff", "3 kHz"},
                                                    {"resonant", "resonance", "70 %"},
                                                    {"soft", "resonance", "5 %"},
                                                    {"low", "octave", "C1"},
                                                    {"high", "octave", "C5"}}};

/// A word of a function and the jack of its block behind it.
struct Word {
    std::string word;
    const JackSpec* jack = nullptr;
    bool output = false;
    bool passes = false;  ///< a sound at this input goes through
    bool strikes = false; ///< a gate at this input starts it
};

/// What somebody wants one of.
struct Wanted {
    const Function* function = nullptr;
    const BlockType* type = nullptr;
    std::vector<Word> words;
    std::string role;
    std::string name;
    int entry = 0;

    [[nodiscard]] const Word* first(SignalKind kind, bool output) const {
        const auto it = std::ranges::find_if(
            words, [&](const Word& one) { return one.output == output && one.jack->kind == kind; });
        return it == words.end() ? nullptr : &*it;
    }
    [[nodiscard]] bool sounds() const { return first(SignalKind::Audio, true) != nullptr; }
    [[nodiscard]] bool shapes() const { return sounds() && std::ranges::any_of(words, &Word::passes); }
    [[nodiscard]] bool plays() const {
        return !sounds() && first(SignalKind::Pitch, true) && first(SignalKind::Gate, true);
    }
    [[nodiscard]] bool isStruck() const {
        return !sounds() && !plays() && first(SignalKind::Control, true) && std::ranges::any_of(words, &Word::strikes);
    }
    [[nodiscard]] bool moves() const { return !sounds() && !plays() && first(SignalKind::Control, true); }
};

/// A thing that works for others, or moves something.
struct Aimed {
    std::vector<std::size_t> from; ///< indices of what is wanted
    std::string forWhom;
    std::string to;
    std::string text;
};

[[noreturn]] void refuse(Sentence reason) {
    throw ReadError("", std::move(reason));
}

class WishReader {
  public:
    WishReader(std::string_view text, const Functions& functions) : text_(text), functions_(functions) {}

    Recipe read() {
        if (text_.size() > kLongestWish) refuse(say("a wish has {} letters at most", kLongestWish));
        for (const std::string& entry : entries()) readEntry(entry);
        if (wanted_.empty()) refuse(say("name what is wanted: \"2 vco, filter, vca, contour, lfo slow to pwm\""));
        if (wanted_.size() + 3 > kMostRoles) refuse(say("{} parts are more than a recipe holds", wanted_.size()));
        recipe_.id = "wish";
        recipe_.name = "Wish";
        recipe_.group = "Wishes";
        recipe_.about = std::string(text_);
        tieSound();
        tieModulation();
        tiePlaying();
        finish();
        return std::move(recipe_);
    }

  private:
    std::vector<std::string> entries() const {
        std::string plain = lower(text_);
        for (char& c : plain)
            if (c == '\n' || c == ';' || c == '+') c = ',';
        std::vector<std::string> out;
        std::size_t begin = 0;
        while (begin <= plain.size()) {
            const std::size_t end = std::min(plain.find(',', begin), plain.size());
            std::string piece = looseWords(plain.substr(begin, end - begin));
            if (const auto at = piece.find("sample and hold"); at != std::string::npos) piece.erase(at + 7, 4);
            // "a filter and a vca" are two; "for filter and vca" is one.
            for (std::size_t at = piece.find(" and "); at != std::string::npos; at = piece.find(" and ")) {
                if (std::min(piece.find(" for "), piece.find(" to ")) < at) break;
                out.push_back(piece.substr(0, at));
                piece.erase(0, at + 5);
            }
            if (!piece.empty()) out.push_back(piece);
            begin = end + 1;
        }
        return out;
    }

    /// The function that words name, singular or plural; nullptr if none.
    const Function* functionOf(std::string words) const {
        for (int singular = 0; singular < 2; ++singular) {
            for (const Function& one : functions_.all())
                if (looseWords(one.id) == words || looseWords(one.name) == words) return &one;
            for (const Synonym& one : kSynonyms)
                if (one.word == words) return functions_.find(one.function);
            for (const BlockType& type : blockTypes())
                if (looseWords(type.id) == words || looseWords(type.name) == words) return functions_.find(type.id);
            if (!words.ends_with('s')) break;
            words.pop_back();
        }
        return nullptr;
    }

    static std::vector<std::string> wordsOf(const std::string& text) {
        std::vector<std::string> out(1);
        for (const char c : text) {
            if (c == ' ')
                out.emplace_back();
            else
                out.back() += c;
        }
        return out;
    }

    void readEntry(const std::string& entry) {
        std::string head = entry;
        Aimed aimed;
        aimed.text = entry;
        const auto cutOff = [&](const char* at, std::string& into) {
            if (const auto place = head.find(at); place != std::string::npos) {
                into = head.substr(place + std::string_view(at).size());
                head = head.substr(0, place);
            }
        };
        cutOff(" to ", aimed.to);
        cutOff(" for ", aimed.forWhom);
        if (const auto place = aimed.to.find(" for "); place != std::string::npos) {
            aimed.forWhom = aimed.to.substr(place + 5);
            aimed.to = aimed.to.substr(0, place);
        }
        std::vector<std::string> words = wordsOf(head);
        int count = 1;
        if (const std::string& first = words.front(); first.find_first_not_of("0123456789") == std::string::npos) {
            std::from_chars(first.data(), first.data() + first.size(), count);
            words.erase(words.begin());
        } else if (first == "a" || first == "an" || first == "another" || first == "one" || first == "the") {
            words.erase(words.begin());
        } else if (first == "two" || first == "three" || first == "four") {
            count = first == "two" ? 2 : first == "three" ? 3 : 4;
            words.erase(words.begin());
        }
        if (count < 1 || count > kMostOfOne) refuse(say("\"{}\": from 1 to {} of one kind", entry, kMostOfOne));
        // The longest row of words that names a function; what is left says something about it.
        const Function* function = nullptr;
        std::size_t begin = 0;
        std::size_t length = 0;
        for (std::size_t n = words.size(); n > 0 && !function; --n)
            for (std::size_t i = 0; i + n <= words.size() && !function; ++i)
                if ((function = functionOf(
                         fmt::format("{}", fmt::join(words.begin() + static_cast<std::ptrdiff_t>(i),
                                                     words.begin() + static_cast<std::ptrdiff_t>(i + n), " "))))) {
                    begin = i;
                    length = n;
                }
        if (!function) {
            std::vector<std::string> names;
            for (const Function& one : functions_.all()) names.push_back(lower(one.name));
            refuse(say("\"{}\" names nothing that a case has; near: {}", entry,
                       fmt::format("{}", fmt::join(nearestWords(head, names, 4), ", "))));
        }
        words.erase(words.begin() + static_cast<std::ptrdiff_t>(begin),
                    words.begin() + static_cast<std::ptrdiff_t>(begin + length));
        for (int n = 0; n < count; ++n) {
            const std::size_t index = add(*function);
            wanted_[index].entry = entry_;
            aimed.from.push_back(index);
            for (const std::string& word : words) describe(wanted_[index], word, entry);
        }
        ++entry_;
        aims_.push_back(std::move(aimed));
    }

    std::size_t add(const Function& function) {
        Wanted out;
        out.function = &function;
        const Provider& provider = function.providers.front();
        out.type = findBlockType(provider.block);
        const auto wordOf = [&](const JackSpec& jack, bool output) {
            for (const auto& [word, mapped] : provider.jacks)
                if (mapped == jack.id || (provider.channels > 1 && mapped.find("{n}") != std::string::npos &&
                                          jack.id == std::string(mapped).replace(mapped.find("{n}"), 3, "1"))) {
                    out.words.push_back({word, &jack, output});
                    return;
                }
            if (provider.sameWords && provider.channels == 1) out.words.push_back({jack.id, &jack, output});
        };
        for (const JackSpec& jack : out.type->inputs) wordOf(jack, false);
        for (const JackSpec& jack : out.type->outputs) wordOf(jack, true);
        for (const Flow& flow : flowsOf(*out.type))
            for (Word& word : out.words) {
                if (word.output || std::ranges::find(flow.inputs, word.jack->id) == flow.inputs.end()) continue;
                word.passes = word.passes || (flow.does == Does::Passes && word.jack->kind == SignalKind::Audio);
                word.strikes = word.strikes || (flow.does == Does::Strikes && word.jack->kind == SignalKind::Gate);
            }
        const auto number = 1 + std::ranges::count(wanted_, &function, &Wanted::function);
        out.role = number == 1 ? function.id : fmt::format("{}-{}", function.id, number);
        out.name = number == 1 ? function.name : fmt::format("{} {}", function.name, number);
        wanted_.push_back(std::move(out));
        return wanted_.size() - 1;
    }

    /// The function's word for a knob of its block.
    static std::string knobWord(const Wanted& one, const std::string& control) {
        const Provider& provider = one.function->providers.front();
        for (const auto& [word, turns] : provider.knobs)
            for (const Turn& turn : turns)
                if (turn.knob == control && turn.is.empty()) return word;
        return provider.sameWords ? control : std::string();
    }

    void describe(const Wanted& one, const std::string& word, const std::string& entry) {
        bool known = false;
        for (const Adjective& adjective : kAdjectives) {
            if (adjective.word != word) continue;
            known = true;
            const auto has = std::ranges::find(one.type->controls, adjective.knob, &ControlSpec::id);
            const std::string knob = has == one.type->controls.end() ? std::string() : knobWord(one, has->id);
            if (knob.empty()) continue;
            turn(one.role, knob, std::string(adjective.value));
            return;
        }
        if (known) refuse(say("\"{}\": nothing about {} can be \"{}\"", entry, lower(one.function->name), word));
        refuse(say(
            "\"{}\": \"{}\" was not understood; there are slow, fast, short, long, bright, dark, resonant, low, high",
            entry, word));
    }

    void turn(const std::string& role, const std::string& knob, std::string value) {
        if (!turned_.emplace(role, knob).second) return;
        RecipeKnob out;
        out.at = {role, knob};
        out.to = std::move(value);
        recipe_.knobs.push_back(std::move(out));
    }

    bool tie(const std::string& from, const std::string& fromWord, const std::string& to, const std::string& toWord,
             const char* step) {
        if (!taken_.emplace(to, toWord).second) return false;
        RecipeCable out;
        out.from = {from, fromWord};
        out.to = {to, toWord};
        out.step = step;
        recipe_.cables.push_back(std::move(out));
        return true;
    }

    /// Audio inputs in their order: "in", "in-2".
    static std::vector<std::string> inputsOf(const Wanted& one) {
        std::vector<std::string> out;
        for (const Word& word : one.words)
            if (word.passes) out.push_back(word.word);
        return out;
    }

    static std::string wave(const Wanted& one) {
        for (const char* wanted : {"saw", "low", "out", "mix"})
            for (const Word& word : one.words)
                if (word.output && word.word == wanted) return word.word;
        return one.first(SignalKind::Audio, true)->word;
    }

    /// Into the first input that is free.
    bool lead(const Wanted& from, const Wanted& to) {
        const std::vector<std::string> inputs = inputsOf(to);
        return std::ranges::any_of(
            inputs, [&](const std::string& in) { return tie(from.role, wave(from), to.role, in, "make it sound"); });
    }

    /// A mixer for more sounds than what comes next has inputs.
    std::size_t mix(const std::vector<std::size_t>& sounds) {
        const std::size_t index = add(*functions_.find("mixer"));
        const Wanted mixer = wanted_[index];
        for (const std::size_t one : sounds)
            if (!lead(wanted_[one], mixer))
                refuse(
                    say("{} sounds are more than one mixer takes; write mixers where they are to be", sounds.size()));
        return index;
    }

    /// From what makes the sound through what shapes it, as it is written; things of one entry stand side by side.
    void tieSound() {
        std::vector<std::size_t> now; // where the sound is
        for (std::size_t i = 0; i < wanted_.size(); ++i)
            if (wanted_[i].sounds() && !wanted_[i].shapes()) now.push_back(i);
        const std::size_t named = wanted_.size();
        for (std::size_t i = 0; i < named;) {
            std::vector<std::size_t> stage;
            const int entry = wanted_[i].entry;
            for (; i < named && wanted_[i].entry == entry; ++i)
                if (wanted_[i].shapes()) stage.push_back(i);
            if (stage.empty()) continue;
            if (now.empty()) { // a filter that sings by itself
                now = stage;
                continue;
            }
            if (now.size() > stage.size() * inputsOf(wanted_[stage.front()]).size()) now = {mix(now)};
            for (std::size_t n = 0; n < std::max(now.size(), stage.size()); ++n)
                lead(wanted_[now[n % now.size()]], wanted_[stage[n % stage.size()]]);
            now = stage;
        }
        std::vector<std::size_t> outs;
        for (std::size_t i = 0; i < wanted_.size(); ++i)
            if (wanted_[i].function->id == "way-out") outs.push_back(i);
        while (!now.empty() && outs.size() < now.size()) outs.push_back(add(*functions_.find("way-out")));
        for (std::size_t n = 0; n < now.size(); ++n) {
            const Wanted& from = wanted_[now[n]];
            tie(from.role, wave(from), wanted_[outs[n]].role, "in", "make it sound");
        }
        if (!now.empty()) heard_ = now.front();
    }

    /// What a thing is spoken of by: "vco", "vco 1" of the first of several, "vco 2".
    static std::vector<std::string> namesOf(const Wanted& one) {
        std::vector<std::string> out = {looseWords(one.name), looseWords(one.role)};
        if (one.role == one.function->id)
            for (std::size_t i = 0; i < 2; ++i) out.push_back(out[i] + " 1");
        return out;
    }

    /// Roles that words name: "vca 2", "the filter", "both", "all".
    std::vector<std::size_t> whom(std::string text, const Aimed& aimed) const {
        if (text.starts_with("the ")) text.erase(0, 4);
        std::vector<std::size_t> out;
        if (text == "both" || text == "all" || text == "each") {
            // Those of the entry before that there are several of.
            for (std::size_t i = 0; i < wanted_.size(); ++i)
                if (wanted_[i].function->id == "vca") out.push_back(i);
            if (out.empty())
                for (std::size_t i = 0; i < wanted_.size(); ++i)
                    if (wanted_[i].shapes()) out.push_back(i);
            if (text == "both" && out.size() != 2) refuse(say("\"{}\": there are not two it could be for", aimed.text));
            return out;
        }
        for (std::size_t at = 0; at < text.size();) {
            std::size_t end = std::min(text.find(" and ", at), text.size());
            const std::string one = text.substr(at, end - at);
            at = end == text.size() ? end : end + 5;
            bool found = false;
            for (std::size_t i = 0; i < wanted_.size(); ++i)
                if (const auto names = namesOf(wanted_[i]);
                    std::ranges::find(names, one) != names.end() || functionOf(one) == wanted_[i].function) {
                    out.push_back(i);
                    found = true;
                }
            if (!found) refuse(say("\"{}\": there is no {} in this wish", aimed.text, one));
        }
        return out;
    }

    /// A free input of a thing for modulation: the one that is named, else the first that is meant for it.
    const Word* inputFor(const Wanted& one, const std::string& named) const {
        const auto fits = [&](const Word& word) {
            if (word.output || taken_.contains({one.role, word.word})) return false;
            if (named.empty())
                return word.jack->kind == SignalKind::Control && (!word.jack->aims.empty() || word.word == "lin-cv");
            const auto is = [&](const std::string& text) { return looseWords(text) == named; };
            const bool pitch = named == "pitch" && (word.word == "fm" || word.jack->kind == SignalKind::Pitch);
            return is(word.word) || is(word.jack->id) || is(word.jack->name) || pitch ||
                   std::ranges::any_of(word.jack->aims, [&](const Aim& aim) {
                       const auto control = std::ranges::find(one.type->controls, aim.control, &ControlSpec::id);
                       return is(aim.control) || (control != one.type->controls.end() && is(control->name));
                   });
        };
        const auto it = std::ranges::find_if(one.words, fits);
        return it == one.words.end() ? nullptr : &*it;
    }

    void modulate(const Wanted& from, const Wanted& to, const Word& into) {
        const Word* out = from.first(SignalKind::Control, true);
        for (const Word& word : from.words)
            if (word.output && (word.word == "out" || word.word == "triangle")) out = &word;
        if (!tie(from.role, out->word, to.role, into.word, from.isStruck() ? "make it play" : "move it")) return;
        if (into.jack->amount.empty()) return;
        const auto amount = std::ranges::find(to.type->controls, into.jack->amount, &ControlSpec::id);
        const std::string knob = amount == to.type->controls.end() ? std::string() : knobWord(to, amount->id);
        if (!knob.empty() && amount->initial == 0.0) turn(to.role, knob, from.isStruck() ? "40 %" : "15 %");
    }

    void tieModulation() {
        for (const Aimed& aimed : aims_)
            for (std::size_t n = 0; n < aimed.from.size(); ++n) {
                const Wanted from = wanted_[aimed.from[n]];
                if (!from.moves()) {
                    if (!aimed.to.empty() || !aimed.forWhom.empty())
                        refuse(say("\"{}\": {} moves nothing", aimed.text, lower(from.function->name)));
                    continue;
                }
                if (!aimed.to.empty())
                    aim(from, aimed);
                else if (!aimed.forWhom.empty())
                    for (const std::size_t to : whom(aimed.forWhom, aimed)) into(from, wanted_[to], "", aimed);
                else
                    usual(from, n);
            }
    }

    void into(const Wanted& from, const Wanted& to, const std::string& named, const Aimed& aimed) {
        const Word* input = inputFor(to, named);
        if (!input)
            refuse(named.empty() ? say("\"{}\": {} has no free input for it", aimed.text, lower(to.name))
                                 : say("\"{}\": {} has no free input \"{}\"", aimed.text, lower(to.name), named));
        modulate(from, to, *input);
    }

    /// "to pwm", "to filter", "to vco 2 pwm".
    void aim(const Wanted& from, const Aimed& aimed) {
        const std::vector<std::size_t> to =
            aimed.forWhom.empty() ? std::vector<std::size_t>() : whom(aimed.forWhom, aimed);
        for (const std::size_t one : to) into(from, wanted_[one], aimed.to, aimed);
        if (!to.empty()) return;
        // The name of a thing, with or without one of its words behind it: "vco 2 pwm" is no word of the first one.
        std::size_t longest = 0;
        std::optional<std::size_t> meant;
        for (std::size_t i = 0; i < wanted_.size(); ++i) {
            if (wanted_[i].role == from.role) continue;
            for (const std::string& name : namesOf(wanted_[i]))
                if ((aimed.to == name || aimed.to.starts_with(name + " ")) && name.size() > longest) {
                    longest = name.size();
                    meant = i;
                }
        }
        for (std::size_t i = 0; i < wanted_.size() && !meant; ++i)
            if (functionOf(aimed.to) == wanted_[i].function) {
                meant = i;
                longest = aimed.to.size();
            }
        if (meant) {
            const Wanted one = wanted_[*meant];
            return into(from, one, std::string(trimmed(std::string_view(aimed.to).substr(longest))), aimed);
        }
        for (const Wanted& one : std::vector<Wanted>(wanted_))
            if (one.role != from.role && inputFor(one, aimed.to)) return into(from, one, aimed.to, aimed);
        refuse(say("\"{}\": nothing in this wish has a free \"{}\"", aimed.text, aimed.to));
    }

    /// A contour opens the amplifier of its number, the rest shapes and moves filters, else pitch.
    void usual(const Wanted& from, std::size_t number) {
        std::vector<std::size_t> order;
        const auto gather = [&](const char* function) {
            std::vector<std::size_t> of;
            for (std::size_t i = 0; i < wanted_.size(); ++i)
                if (wanted_[i].function->id == function) of.push_back(i);
            for (std::size_t i = 0; i < of.size(); ++i) order.push_back(of[(i + number) % of.size()]);
        };
        if (from.isStruck()) {
            gather("vca");
            gather("low-pass-gate");
        }
        gather("filter");
        gather("vco");
        for (std::size_t i = 0; i < wanted_.size(); ++i)
            if (wanted_[i].sounds()) order.push_back(i);
        for (const std::size_t to : order)
            if (const Word* input = inputFor(wanted_[to], "")) {
                modulate(from, wanted_[to], *input);
                return;
            }
    }

    void tiePlaying() {
        const auto needs = [&](const Wanted& one) {
            return (one.sounds() && one.first(SignalKind::Pitch, false) && !one.shapes()) || one.isStruck();
        };
        const bool any = std::ranges::any_of(wanted_, needs);
        auto player = std::ranges::find_if(wanted_, &Wanted::plays);
        if (player == wanted_.end() && !any) return;
        if (player == wanted_.end()) {
            shared_.insert(wanted_[add(*functions_.find("keys"))].role);
            player = std::prev(wanted_.end());
        }
        const Wanted by = *player;
        const std::string pitch = by.first(SignalKind::Pitch, true)->word;
        const std::string gate = by.first(SignalKind::Gate, true)->word;
        for (const Wanted& one : std::vector<Wanted>(wanted_)) {
            if (!needs(one)) continue;
            if (const Word* in = one.first(SignalKind::Pitch, false); in && one.sounds())
                tie(by.role, pitch, one.role, in->word, "make it play");
            if (const Word* in = one.first(SignalKind::Gate, false); in && one.isStruck())
                tie(by.role, gate, one.role, in->word, "make it play");
        }
        RecipeLine line;
        line.role = by.role;
        line.steps = "d3 = = - f3 = = - a3 = = - d4 = = -";
        recipe_.lines.push_back(std::move(line));
        // What counts steps needs a clock.
        if (const Word* clock = by.first(SignalKind::Clock, false)) {
            auto clockRole =
                std::ranges::find_if(wanted_, [](const Wanted& one) { return one.function->id == "clock"; });
            if (clockRole == wanted_.end()) {
                shared_.insert(wanted_[add(*functions_.find("clock"))].role);
                clockRole = std::prev(wanted_.end());
            }
            tie(clockRole->role, "sixteenths", by.role, clock->word, "make it play");
        }
    }

    void finish() {
        for (const Wanted& one : wanted_) {
            Role role;
            role.id = one.role;
            role.name = one.name;
            role.plays = one.function->id;
            role.shared = shared_.contains(one.role);
            recipe_.roles.push_back(std::move(role));
            // An amplifier that nothing opens stays open: it drones.
            if (one.function->id == "vca" && !taken_.contains({one.role, "lin-cv"})) turn(one.role, "offset", "70 %");
        }
        // As it is built: sound first, then playing, then movement.
        const auto order = [](const RecipeCable& cable) {
            return cable.step == "make it sound" ? 0 : cable.step == "make it play" ? 1 : 2;
        };
        std::stable_sort(recipe_.cables.begin(), recipe_.cables.end(),
                         [&](const RecipeCable& a, const RecipeCable& b) { return order(a) < order(b); });
        if (!heard_) return;
        RecipeGoal goal;
        goal.name = "sounds, inside the rails";
        goal.kind = GoalKind::Peak;
        goal.at = {wanted_[*heard_].role, wave(wanted_[*heard_])};
        goal.want = "5";
        goal.within = "4.8";
        goal.to = "4";
        recipe_.goals.push_back(std::move(goal));
    }

    std::string_view text_;
    const Functions& functions_;
    Recipe recipe_;
    std::vector<Wanted> wanted_;
    std::vector<Aimed> aims_;
    std::set<std::pair<std::string, std::string>> taken_;
    std::set<std::pair<std::string, std::string>> turned_;
    std::set<std::string> shared_;
    std::optional<std::size_t> heard_;
    int entry_ = 0;
};

} // namespace

Result<Recipe> recipeFromWish(std::string_view text, const Functions& functions) {
    try {
        Recipe recipe = WishReader(text, functions).read();
        // As a file: the same limits, the same checks.
        return readRecipe(writeRecipe(recipe));
    } catch (const ReadError& error) {
        return failure(error.reason, error.path);
    }
}

} // namespace lariat
