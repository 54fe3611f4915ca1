#include "plan/notes.h"

#include "building/capacity.h"
#include "building/nobody_knows.h"
#include "library/check.h"
#include "library/tie.h"
#include "library/unknowns.h"
#include "library/words.h"
#include "model/edit.h"
#include "model/pattern_text.h"
#include "plan/notes_german.h"
#include "plan/notes_jacks.h"
#include "plan/notes_words.h"
#include "timing/lines.h"
#include "timing/pattern_edits.h"
#include "units/letters.h"
#include "units/number.h"

#include <algorithm>
#include <array>
#include <cctype>
#include <map>
#include <sstream>

namespace lariat {
namespace notes {
namespace {

constexpr double kAboutFraction = 20.0 / 600.0; ///< of the travel: what "about" leaves open to either side

class NotesReader {
  public:
    NotesReader(const Patch& start, const Library& library, const Case& housing)
        : library_(library), housing_(housing), patch_(start) {}

    void line(int number, std::string_view written) {
        answer_ = {number, std::string(trimmed(written)), {}, {}, {}};
        std::string text(trimmed(written));
        // "- " and "3." of lists, and boxes that were ticked.
        while (!text.empty() && (text[0] == '-' || text[0] == '*' || text.starts_with("•")) && !text.starts_with("->"))
            text = std::string(trimmed(text.substr(text.starts_with("•") ? 3 : 1)));
        if (const auto dot = text.find_first_not_of("0123456789"); dot > 0 && dot != std::string::npos && dot < 4 &&
                                                                   (text[dot] == '.' || text[dot] == ')') &&
                                                                   dot + 1 < text.size() && text[dot + 1] == ' ')
            text = std::string(trimmed(text.substr(dot + 1)));
        if (text.empty()) return;
        current_.clear();
        mentioned_.clear();
        if (!remark(text)) {
            text = fromGerman(withoutBrackets(text));
            if (!headed(text))
                for (const std::string& clause : clausesOf(plainLine(text))) this->clause(clause);
        }
        if (!answer_.failed.empty()) lost_.push_back(answer_.text);
        answers_.push_back(std::move(answer_));
    }

    NotesRead take() {
        if (!lost_.empty()) {
            if (!patch_.about.empty()) patch_.about += "\n";
            patch_.about += "Written down and not understood:";
            for (const std::string& line : lost_) patch_.about += "\n" + line;
        }
        return {std::move(patch_), std::move(answers_)};
    }

  private:
    void understood(Sentence what) { answer_.understood.push_back(std::move(what)); }
    void failed(Sentence why, std::vector<std::string> choices = {}) {
        answer_.failed.push_back(std::move(why));
        for (std::string& one : choices)
            if (answer_.choices.size() < 8) answer_.choices.push_back(std::move(one));
    }
    bool edit(const Edit& one) {
        auto made = applyEdit(patch_, one);
        if (made) made = checkPatch(std::move(*made), library_);
        if (!made) {
            failed(made.error().reason);
            return false;
        }
        patch_ = std::move(*made);
        return true;
    }
    [[nodiscard]] const PartInfo& part(const std::string& post) const { return *library_.part(*patch_.post(post)); }
    [[nodiscard]] const std::string& name(const std::string& post) const { return patch_.post(post)->name; }

    // Lines that are about the whole.

    /// Notes, titles, keys; true if it was one.
    bool remark(const std::string& text) {
        if (text[0] == '#' || text.starts_with("//") || text[0] == '(') {
            note(text.substr(text.find_first_not_of("#/( ") == std::string::npos ? text.size()
                                                                                 : text.find_first_not_of("#/( ")));
            return true;
        }
        const auto colon = text.find(':');
        if (colon == std::string::npos) return false;
        const std::string head = plainWords(text.substr(0, colon));
        const std::string rest(trimmed(text.substr(colon + 1)));
        if (rest.empty()) return false;
        if (head == "title" || head == "patch" || head == "name" || head == "titel") {
            patch_.title = rest;
            understood(say("the title"));
        } else if (head == "key" || head == "tonart") {
            patch_.key = rest;
            understood(say("the key"));
        } else if (head == "note" || head == "nb" || head == "remark" || head == "idea" || head == "todo" ||
                   head == "notiz" || head == "bemerkung" || head == "idee") {
            note(rest);
        } else {
            return false;
        }
        return true;
    }

    void note(std::string text) {
        while (!text.empty() && text.back() == ')') text.pop_back();
        if (!text.empty()) patch_.about += (patch_.about.empty() ? "" : "\n") + text;
        understood(say("a note"));
    }

    /// What stands in brackets is a remark.
    std::string withoutBrackets(std::string text) {
        for (auto open = text.find('('); open != std::string::npos; open = text.find('(')) {
            const auto close = text.find(')', open);
            const std::string inside =
                text.substr(open + 1, close == std::string::npos ? std::string::npos : close - open - 1);
            note(inside);
            text.erase(open, close == std::string::npos ? std::string::npos : close - open + 1);
        }
        return text;
    }

    /// "VCF: cutoff 10:00, res ?", "seq: d3 f3", "tempo: 112", "KICK:"; true if it was all the line says.
    bool headed(std::string& text) {
        const auto colon = text.find(':');
        if (colon == std::string::npos || colon == 0) return false;
        if (std::isdigit(static_cast<unsigned char>(text[colon - 1]))) {
            // "env 1: …" is headed, "at 10:30" is not.
            if (colon + 1 < text.size() && std::isdigit(static_cast<unsigned char>(text[colon + 1]))) return false;
        }
        const std::string head = plainLine(text.substr(0, colon));
        const std::string rest(trimmed(text.substr(colon + 1)));
        Words words = wordsOf(head);
        if (words.size() > 5 || head.find('>') != std::string::npos) return false;
        if (words.size() == 1 &&
            among(words[0], std::array{"steps", "notes", "pattern", "melody", "sequence", "bassline", "riff"})) {
            steps(rest, false, 0);
            return true;
        }
        if (words.size() == 1 && among(words[0], std::array{"drums", "drum", "hits", "triggers", "trigs", "beat"})) {
            steps(rest, true, 0);
            return true;
        }
        if (words.size() == 2 && (words[0] == "track" || words[0] == "lane" || words[0] == "drum"))
            if (const auto number = parseNumber(words[1]); number && *number >= 1 && *number <= 16) {
                steps(rest, words[0] != "track", static_cast<int>(*number) - 1);
                return true;
            }
        std::size_t used = 0;
        if (const auto post = thing(words, used, true); post && used == words.size()) {
            current_ = *post;
            text = rest;
            if (rest.empty()) {
                understood(say("about {}", name(*post)));
                return true;
            }
            if (isSequencer(*post) && looksLikeSteps(rest)) {
                steps(rest, false, 0);
                return true;
            }
            return false;
        }
        if (words.size() == 1 && (words[0] == "tempo" || words[0] == "bpm")) {
            text = "tempo " + rest;
            return false;
        }
        if (rest.empty()) { // a voice
            voice_ = std::string(trimmed(text.substr(0, colon)));
            understood(say("what follows is voice {}", voice_));
            return true;
        }
        if (words.size() <= 2 && !looksLikeSteps(rest)) { // a voice, and what it says
            voice_ = std::string(trimmed(text.substr(0, colon)));
            understood(say("what follows is voice {}", voice_));
            text = rest;
            return false;
        }
        return false;
    }

    // Clauses.

    void clause(const std::string& text) {
        const Words words = wordsOf(text);
        if (words.empty()) return;
        if (const auto arrow = std::ranges::find(words, ">"); arrow != words.end()) {
            chain(words);
            return;
        }
        if (words.size() > 2 && words[1] == "=" && !named_.contains(words[0])) {
            std::size_t used = 0;
            const Words tail(words.begin() + 2, words.end());
            if (const auto post = thing(tail, used, true); post && used == tail.size()) {
                named_[words[0]] = *post;
                edit(DescribePost{*post, words[0], voice_, patch_.post(*post)->note});
                current_ = *post;
                understood(say("{} is called {}", part(*post).name, words[0]));
                return;
            }
        }
        if (tempo(words)) return;
        if (key(words)) return;
        std::size_t used = 0;
        std::string post = current_;
        if (const auto found = thing(words, used, true)) post = *found;
        const Words rest(words.begin() + static_cast<std::ptrdiff_t>(used), words.end());
        if (!post.empty() && rest.empty()) {
            current_ = post;
            understood(say("about {}", name(post)));
            return;
        }
        if (!post.empty() && isSequencer(post) && looksLikeSteps(joined(rest))) {
            current_ = post;
            steps(joined(rest), false, 0);
            return;
        }
        if (!post.empty() && knob(post, rest)) {
            current_ = post;
            return;
        }
        // "env 1 to vca, decay short": of what was named before in the line, the last that has such a knob.
        if (used == 0)
            for (auto at = mentioned_.rbegin(); at != mentioned_.rend(); ++at)
                if (*at != post && knob(*at, rest)) {
                    current_ = *at;
                    return;
                }
        // "resonance of the filter 10:00"
        if (const auto of = std::ranges::find(words, "of"); of != words.begin() && of != words.end()) {
            Words tail(of + 1, words.end());
            if (!tail.empty() && tail[0] == "the") tail.erase(tail.begin());
            std::size_t named = 0;
            if (const auto whose = thing(tail, named, true)) {
                Words turned(words.begin(), of);
                turned.insert(turned.end(), tail.begin() + static_cast<std::ptrdiff_t>(named), tail.end());
                if (knob(*whose, turned)) {
                    current_ = *whose;
                    return;
                }
            }
        }
        if (post.empty() || (used == 0 && current_.empty()))
            failed(say("\"{}\": no thing is named that this case has", text), nearThings(words));
        else
            failed(say("\"{}\": {} has no knob or jack of that name", joined(rest), name(post)), knobNames(post));
    }

    /// a > b > c, each with several ends.
    void chain(const Words& words) {
        std::vector<Words> stages(1);
        for (const std::string& word : words) {
            if (word == ">")
                stages.emplace_back();
            else
                stages.back().push_back(word);
        }
        std::erase_if(stages, [](const Words& stage) { return stage.empty(); });
        if (stages.size() == 1 && !current_.empty()) stages.insert(stages.begin(), wordsOf(current_ + "\n"));
        if (stages.size() < 2) {
            failed(say("one end of the cable is missing"));
            return;
        }
        std::vector<End> from = ends(stages[0]);
        for (std::size_t s = 1; s < stages.size(); ++s) {
            const std::vector<End> into = ends(stages[s]);
            for (const End& a : from)
                for (const End& b : into)
                    if (!a.post.empty() && !b.post.empty())
                        tie(a, b);
                    else if (!a.post.empty() && b.open)
                        leaveOpen(a, true);
                    else if (!b.post.empty() && a.open)
                        leaveOpen(b, false);
            from.clear();
            for (const End& b : into) // what goes on leaves by another jack
                if (!b.post.empty()) from.push_back({b.post, {}});
            if (!into.empty() && !into.back().post.empty()) current_ = into.back().post;
        }
    }

    struct End {
        std::string post;
        std::string jack;  ///< as it was written; empty: the usual one
        bool open = false; ///< nobody knows which
    };

    /// "some filter", "that grey thing": a part that nobody knows any more.
    static bool isVague(const std::string& word) {
        return among(word, std::array{"some", "something", "unknown", "mystery", "whatever", "forgotten", "that"});
    }
    /// The part that was called so in an earlier line, or one that is new.
    std::string vague(const Words& words) {
        const std::string called = joined(words);
        for (const Post& post : patch_.posts)
            if (isUnknownPart(post) && looseWords(post.name) == looseWords(called)) return post.id;
        Post post = unknownPart(patch_, called, voice_);
        const std::string id = post.id;
        if (!edit(AddPost{std::move(post)})) return {};
        understood(say("\"{}\" is a part that nobody knows", called));
        mentioned_.push_back(id);
        return id;
    }
    /// The end that is known, where the usual cable would be.
    void leaveOpen(const End& known, bool output) {
        const PartInfo& of = part(known.post);
        const JackInfo* best = nullptr;
        int score = 0;
        for (const JackInfo& jack : of.jacks) {
            if (jack.output != output) continue;
            int now = 4 * jackFits(jack, known.jack);
            if (!output && now < 20 && aimsAt(of, jack, known.jack)) now = 20;
            if (now == 0) continue;
            const bool taken = !output && patch_.cableInto({known.post, jack.id});
            if (jack.kind == SignalKind::Audio) ++now;
            if (taken) now -= 60;
            if (!best || now > score) {
                best = &jack;
                score = now;
            }
        }
        if (!best) {
            failed(say("{} has no jack \"{}\"", name(known.post), known.jack));
            return;
        }
        OpenEnd end;
        end.at = {known.post, best->id};
        end.output = output;
        end.voice = voice_;
        if (edit(AddOpenEnd{end})) understood(openEndText(end, patch_, library_));
    }

    std::vector<End> ends(const Words& words) {
        std::vector<End> out;
        Words one;
        std::string before = current_;
        const auto close = [&] {
            if (one.empty()) return;
            if (one.size() == 1 && (one[0] == "?" || one[0] == "unknown" || one[0] == "somewhere")) {
                out.push_back({{}, {}, true});
                one.clear();
                return;
            }
            if (const auto from = std::ranges::find(one, "from"); from != one.end() && from + 1 != one.end())
                one.erase(one.begin(), from + 1); // "the gate from the sequencer"
            std::size_t used = 0;
            std::string post = before;
            if (patch_.post(one[0])) { // put there by chain()
                post = one[0];
                used = 1;
            } else if (const auto found = thing(one, used, true)) {
                post = *found;
            } else if (isVague(one[0])) {
                post = vague(one);
                used = one.size();
            }
            if (post.empty()) {
                failed(say("\"{}\": no thing is named that this case has", joined(one)), nearThings(one));
                out.push_back({});
            } else {
                out.push_back({post, joined(one, used)});
                before = post;
            }
            one.clear();
        };
        for (const std::string& word : words) {
            if (word == "and" || word == "&" || word == "+" || word == "plus" || word == "also" || word == "both") {
                close();
                one.clear();
            } else if (word != "the" && word != "a") {
                one.push_back(word);
            }
        }
        close();
        return out;
    }

    void tie(const End& a, const End& b) {
        const PartInfo& fromPart = part(a.post);
        const PartInfo& toPart = part(b.post);
        const JackInfo* from = nullptr;
        const JackInfo* to = nullptr;
        int best = -1;
        bool named = false;
        for (const JackInfo& out : fromPart.jacks) {
            const int outFits = out.output ? jackFits(out, a.jack) : 0;
            if (outFits == 0) continue;
            named = true;
            for (const JackInfo& in : toPart.jacks) {
                int inFits = in.output ? 0 : jackFits(in, b.jack);
                if (inFits < 5 && aimsAt(toPart, in, b.jack)) inFits = 5;
                if (inFits == 0) continue;
                const bool taken = patch_.cableInto({b.post, in.id}) != nullptr;
                // Of a clock's outputs, the steps are what is meant.
                const int steps = a.jack.empty() && out.kind == SignalKind::Clock && out.id == "sixteenths" ? 3 : 0;
                const int score = 20 * (outFits + inFits) + 6 * together(out.kind, in.kind) + steps - (taken ? 60 : 0);
                if (score > best) {
                    best = score;
                    from = &out;
                    to = &in;
                }
            }
        }
        if (!from) {
            const bool first = !named;
            const PartInfo& which = first ? fromPart : toPart;
            std::vector<std::string> choices;
            for (const JackInfo& jack : which.jacks)
                if (jack.output == first) choices.push_back(jack.name);
            failed(say("{} has no jack \"{}\"", name(first ? a.post : b.post), first ? a.jack : b.jack),
                   nearestWords(first ? a.jack : b.jack, choices, 4));
            return;
        }
        const JackRef into{b.post, to->id};
        if (const Cable* there = patch_.cableInto(into)) {
            if (there->from == JackRef{a.post, from->id}) {
                understood(say("{} to {}, as before", tieName(there->from, patch_, library_),
                               tieName(into, patch_, library_)));
                return;
            }
            failed(say("{} holds a cable from {} already", tieName(into, patch_, library_),
                       tieName(there->from, patch_, library_)));
            return;
        }
        Cable cable;
        cable.from = {a.post, from->id};
        cable.to = into;
        cable.voice = voice_;
        if (edit(TieCable{cable, 0}))
            understood(say("{} to {}", tieName(cable.from, patch_, library_), tieName(into, patch_, library_)));
    }

    // Things.

    [[nodiscard]] bool isSequencer(const std::string& post) const {
        return part(post).has("track-sequencer") || part(post).has("step-sequencer");
    }

    /// The post that the first words name; `used` of them. Taken from the case where it is not in use yet.
    std::optional<std::string> thing(const Words& words, std::size_t& used, bool takes) {
        used = 0;
        for (std::size_t n = std::min<std::size_t>(4, words.size()); n > 0; --n) {
            const std::string text = joined(Words(words.begin(), words.begin() + static_cast<std::ptrdiff_t>(n)));
            if (const auto found = named_.find(text); found != named_.end()) {
                used = n;
                mentioned_.push_back(found->second);
                return found->second;
            }
            if (auto post = fromPanel(text, takes)) {
                used = n;
                mentioned_.push_back(*post);
                return post;
            }
            const auto known = std::ranges::find_if(
                things(), [&](const Thing& one) { return text == one.word || text == std::string(one.word) + "s"; });
            if (known == things().end()) continue;
            used = n;
            int number = 0;
            if (n < words.size()) {
                if (const auto value = parseNumber(words[n]);
                    value && *value >= 1 && *value <= 32 && *value == static_cast<int>(*value)) {
                    number = static_cast<int>(*value);
                    ++used;
                } else if (words[n].size() == 1 && words[n][0] >= 'a' && words[n][0] <= 'd' && n + 1 == words.size()) {
                    number = words[n][0] - 'a' + 1;
                    ++used;
                }
            }
            if (auto post = numbered(*known, number, takes)) {
                mentioned_.push_back(*post);
                return post;
            }
            used = 0;
            return {};
        }
        return {};
    }

    /// By its name on the panel, "osc a", "skerry filter".
    std::optional<std::string> fromPanel(const std::string& text, bool takes) {
        const std::string wanted = looseWords(text);
        if (std::ranges::any_of(things(), [&](const Thing& one) { return wanted == one.word; }))
            return {}; // a function
        for (const Post& post : patch_.posts)
            if (looseWords(post.name) == wanted) return post.id;
        for (const FreePart& free : freeParts(patch_, library_, &housing_)) {
            const bool alone = free.module->parts.size() == 1;
            if (looseWords(free.part->name) != wanted &&
                !(alone && looseWords(free.module->description.name) == wanted))
                continue;
            return takes ? take(free) : std::nullopt;
        }
        return {};
    }

    std::optional<std::string> numbered(const Thing& what, int number, bool takes) {
        auto& there = numbers_[std::string(what.blocks[0])];
        if (number == 0) number = 1;
        if (const auto found = there.find(number); found != there.end()) return found->second;
        if (!takes) return {};
        for (const bool ofThatNumber : {true, false}) // "vca 2" is the one that is called so, where there is one
            for (const std::string_view block : what.blocks)
                for (const FreePart& free : freeParts(patch_, library_, &housing_, block)) {
                    if (ofThatNumber && numberOf(free.part->name) != number) continue;
                    auto post = take(free);
                    if (post) there[number] = *post;
                    return post;
                }
        failed(say("this case has no other {} left", what.word));
        return {};
    }

    std::optional<std::string> take(const FreePart& free) {
        const Post post = postFor(patch_, free, voice_);
        if (!edit(AddPost{post})) return {};
        // It has a number among its kind from now on: its own, or the next.
        for (const Thing& one : things()) {
            if (std::ranges::none_of(one.blocks, [&](std::string_view block) { return free.part->has(block); }))
                continue;
            auto& there = numbers_[std::string(one.blocks[0])];
            if (std::ranges::any_of(there, [&](const auto& known) { return known.second == post.id; })) continue;
            int number = std::max(1, numberOf(free.part->name));
            while (there.contains(number)) ++number;
            there[number] = post.id;
        }
        return post.id;
    }

    std::vector<std::string> nearThings(const Words& words) const {
        std::vector<std::string> names;
        for (const Thing& one : things())
            for (const std::string_view block : one.blocks)
                if (!freeParts(patch_, library_, &housing_, block).empty()) names.emplace_back(one.word);
        return nearestWords(words[0], names, 3);
    }

    // Knobs.

    std::vector<std::string> knobNames(const std::string& post) const {
        std::vector<std::string> out;
        for (const KnobInfo& knob : part(post).knobs) out.push_back(knob.name);
        return out;
    }

    const KnobInfo* knobNamed(const PartInfo& part, const std::string& typed) const {
        const std::string word = looseWords(typed);
        const auto by = [&](const std::string& wanted, bool prefix) -> const KnobInfo* {
            for (const KnobInfo& knob : part.knobs) {
                const std::string name = looseWords(knob.name);
                const std::string id = looseWords(knob.id);
                if (prefix ? wanted.size() > 2 && (name.starts_with(wanted) || id.starts_with(wanted))
                           : name == wanted || id == wanted)
                    return &knob;
            }
            return nullptr;
        };
        if (const KnobInfo* knob = by(word, false)) return knob;
        for (const Other& other : kKnobWords)
            if (word == other.typed)
                if (const KnobInfo* knob = by(std::string(other.means), false)) return knob;
        for (const Other& other : kKnobWords)
            if (word == other.typed)
                if (const KnobInfo* knob = by(std::string(other.means), true)) return knob;
        return by(word, true);
    }

    /// "cutoff ~ 10:00", "decay short", "res ?"; also a switch by its position alone: "sawtooth".
    bool knob(const std::string& post, const Words& words) {
        const PartInfo& here = part(post);
        Words rest;
        for (const std::string& word : words)
            if (!among(word, std::array{"knob", "set", "the", "is", "turned", "dial", "pot"})) rest.push_back(word);
        for (std::size_t n = std::min<std::size_t>(3, rest.size()); n > 0; --n) {
            const KnobInfo* knob =
                knobNamed(here, joined(Words(rest.begin(), rest.begin() + static_cast<std::ptrdiff_t>(n))));
            if (!knob || knob->momentary) continue;
            // "a min d 11:00": the next knob's name ends the value.
            const auto from = rest.begin() + static_cast<std::ptrdiff_t>(n);
            auto end = from == rest.end() ? from : from + 1;
            while (end != rest.end() && (end + 1 == rest.end() || !isKnobWord(here, *end))) ++end;
            const bool turned = turn(post, *knob, Words(from, end));
            return end == rest.end() ? turned : this->knob(post, Words(end, rest.end())) && turned;
        }
        // The value first: "short decay", "10:00 cutoff".
        if (rest.size() == 2)
            if (const KnobInfo* knob = knobNamed(here, rest[1]); knob && !knob->momentary)
                return turn(post, *knob, {rest[0]});
        // A switch by its position.
        for (const KnobInfo& knob : here.knobs)
            for (std::size_t w = 0; w < knob.scale.words.size() && knob.scale.taper == Taper::Switch; ++w)
                if (rest.size() == 1 && looseWords(knob.scale.words[w]) == looseWords(rest[0]))
                    return turn(post, knob, rest);
        return false;
    }

    /// A knob's whole name, or a usual word for it; no value looks like that.
    bool isKnobWord(const PartInfo& part, const std::string& word) const {
        if (thirdOf(word) || placeOf(word)) return false;
        const bool usual = std::ranges::any_of(kKnobWords, [&](const Other& other) { return word == other.typed; });
        const bool whole = std::ranges::any_of(
            part.knobs, [&](const KnobInfo& knob) { return looseWords(knob.name) == looseWords(word); });
        return (usual || whole) && knobNamed(part, word) != nullptr;
    }

    bool turn(const std::string& post, const KnobInfo& knob, Words value) {
        bool about = false;
        std::erase_if(value, [&](std::string& word) {
            if (among(word, std::array{"~", "about", "around", "approx", "roughly", "ca", "ca.", "circa", "near",
                                       "maybe", "c."}))
                return about = true;
            if (word.ends_with("ish") && word.size() > 3) {
                about = true;
                word.erase(word.size() - 3);
                if (word.ends_with("-")) word.pop_back();
            }
            if (word.size() > 1 && word.ends_with("?")) {
                about = true;
                word.pop_back();
            }
            return among(word, std::array{"at", "=", "is", "on", ":", "very", "a", "pretty", "quite", "of", "just"}) &&
                   word != "on";
        });
        const std::string text = joined(value);
        const std::string device = name(post); // edits make another patch
        if (text.empty() && !about) {
            understood(say("about {} {}", device, knob.name));
            return true;
        }
        if (text == "?" || text.empty() ||
            among(text, std::array{"unknown", "dunno", "forgot", "don't know", "not sure", "no idea", "??"})) {
            if (edit(SetUnknown{post, knob.id, Unknown{}})) understood(say("{} {} is not known", device, knob.name));
            return true;
        }
        if (const auto third = thirdOf(text); third && knob.scale.taper != Taper::Switch) {
            const double low = knob.scale.toValue(third->first);
            const double high = knob.scale.toValue(third->second);
            if (edit(SetKnob{post, knob.id, knob.scale.toValue(0.5 * (third->first + third->second))}) &&
                edit(SetUnknown{post, knob.id, Unknown{low, high}}))
                understood(say("{} {} is {}: between {} and {}", device, knob.name, text, knob.scale.text(low),
                               knob.scale.text(high)));
            return true;
        }
        std::optional<double> set;
        const bool isSwitch = knob.scale.taper == Taper::Switch;
        if (isSwitch) {
            for (std::size_t w = 0; w < knob.scale.words.size(); ++w)
                if (looseWords(knob.scale.words[w]) == looseWords(text)) set = static_cast<double>(w);
            for (std::size_t w = 0; w < knob.scale.words.size() && !set; ++w)
                if (text.size() > 1 && looseWords(knob.scale.words[w]).starts_with(looseWords(text)))
                    set = static_cast<double>(w);
        } else if (const auto place = placeOf(text)) {
            set = knob.scale.toValue(*place);
        }
        if (!set) set = knob.scale.parse(text);
        if (!set) {
            failed(say("\"{}\" is no value of {} {}: write {}", text, device, knob.name, knob.scale.expectation()),
                   knob.scale.words);
            return true;
        }
        const double held = std::clamp(*set, knob.scale.min, knob.scale.max);
        if (!edit(SetKnob{post, knob.id, held})) return true;
        if (about && !isSwitch) {
            const double at = knob.scale.toFraction(held);
            const double low = knob.scale.toValue(std::max(0.0, at - kAboutFraction));
            const double high = knob.scale.toValue(std::min(1.0, at + kAboutFraction));
            if (edit(SetUnknown{post, knob.id, Unknown{low, high}}))
                understood(say("{} {} is about {}", device, knob.name, knob.scale.text(held)));
        } else {
            understood(say("{} {} is {}", device, knob.name, knob.scale.text(held)));
        }
        return true;
    }

    bool tempo(const Words& words) {
        std::optional<double> beats;
        bool said = false;
        for (std::size_t i = 0; i < words.size(); ++i) {
            std::string word = words[i];
            if (word == "bpm" || word == "tempo") said = true;
            if (word.ends_with("bpm") && word.size() > 3) {
                said = true;
                word.erase(word.size() - 3);
            }
            if (const auto number = parseNumber(word)) beats = number;
        }
        if (!said || !beats || words.size() > 5) return false;
        for (const Thing& one : things())
            if (one.word == "clock") {
                const auto post = numbered(one, 0, true);
                if (!post) return true;
                const KnobInfo* knob = part(*post).knobFor("clock", "tempo");
                if (knob) turn(*post, *knob, {std::to_string(static_cast<int>(*beats))});
                return true;
            }
        return false;
    }

    bool key(const Words& words) {
        if (words.size() < 2 || words.size() > 4 ||
            (words[0] != "key" && words.back() != "minor" && words.back() != "major"))
            return false;
        patch_.key = joined(words, words[0] == "key" ? (words[1] == "of" ? 2 : 1) : 0);
        if (!patch_.key.empty())
            patch_.key[0] = static_cast<char>(std::toupper(static_cast<unsigned char>(patch_.key[0])));
        understood(say("the key"));
        return true;
    }

    // Steps.

    void steps(const std::string& text, bool lane, int index) {
        std::string post = current_;
        if (post.empty() || !isSequencer(post)) {
            for (const Thing& one : things())
                if (one.word == "seq") {
                    const auto found = numbered(one, 0, true);
                    if (!found) return;
                    post = *found;
                    break;
                }
        }
        const std::string clean = lane ? std::string(trimmed(text)) : cleanSteps(text);
        const bool hits = lane || (!readSteps(clean) && readHits(clean));
        auto pattern = withLine(patternOf(patch_, post), {post, hits, index}, 0, clean);
        if (!pattern) {
            failed(pattern.error().reason);
            return;
        }
        if (edit(SetPattern{std::move(*pattern)}))
            understood(hits ? say("{} lane {}", name(post), index + 1) : say("{} track {}", name(post), index + 1));
    }

    const Library& library_;
    const Case& housing_;
    Patch patch_;
    std::vector<NoteAnswer> answers_;
    NoteAnswer answer_;
    std::string current_;                ///< the post that was named last in the line
    std::vector<std::string> mentioned_; ///< all that were
    std::string voice_;
    std::map<std::string, std::string> named_;                  ///< by names that lines gave
    std::map<std::string, std::map<int, std::string>> numbers_; ///< posts by their kind and number
    std::vector<std::string> lost_;
};

} // namespace
} // namespace notes

int NotesRead::wholeLines() const {
    return static_cast<int>(std::ranges::count_if(answers, [](const NoteAnswer& one) { return one.whole(); }));
}

Result<NotesRead> readNotes(std::string_view text, const Patch& start, const Library& library, const Case& housing) {
    notes::NotesReader reader(start, library, housing);
    std::istringstream in{std::string(text)};
    int number = 0;
    for (std::string line; std::getline(in, line);) {
        if (++number > static_cast<int>(kMostNoteLines))
            return failure(say("the text has more than {} lines", kMostNoteLines));
        if (line.size() > kLongestNoteLine)
            return failure(say("line {} has more than {} letters", number, kLongestNoteLine));
        reader.line(number, line);
    }
    return reader.take();
}

} // namespace lariat
