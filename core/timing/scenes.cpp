#include "timing/scenes.h"

#include "engine/automation.h"
#include "library/meaning.h"
#include "timing/lines.h"
#include "units/letters.h"
#include "units/number.h"

#include <algorithm>
#include <cmath>
#include <map>
#include <optional>

namespace lariat {
namespace {

constexpr double kReactSeconds = 0.3;
constexpr double kHpPerSecond = 120.0;
constexpr double kHpPerRow = 26.0;      ///< a row is 133 mm high
constexpr double kTravelSeconds = 0.25; ///< of a whole turn
constexpr double kDown = 0.02;          ///< part of the travel at which a level is turned down
constexpr double kSame = 0.02;          ///< parts of the travel that look alike
constexpr const char* kHands[] = {"left", "right", "foot"};

/// A word at the start, by itself.
bool takeWord(std::string_view& text, std::string_view word) {
    if (word.empty() || lower(text.substr(0, word.size())) != lower(word)) return false;
    if (text.size() > word.size() && text[word.size()] != ' ') return false;
    text = trimmed(text.substr(word.size()));
    return true;
}

struct Found {
    const Post* post = nullptr;
    const KnobInfo* knob = nullptr;
    const Scale* scale = nullptr; ///< what is written of it is in this one: that in force, if its word then was written
};

/// What a value on one scale is on another: a knob keeps its place on the dial when its use changes.
double between(const Scale& from, const Scale& to, double value) {
    return &from == &to || from == to ? value : to.toValue(from.toFraction(value));
}

/// Knobs as they stand in a scene.
void setIn(Patch& now, const Setting& setting) {
    for (Post& post : now.posts)
        if (const auto knobs = setting.find(post.id); knobs != setting.end())
            for (const auto& [knob, value] : knobs->second) post.knobs[knob] = value;
}

/// The post and knob that a line begins with, the longest names first; `text` goes on behind them. A knob may be called
/// by its word in force, by its own, or by its id.
Result<Found> takeKnob(std::string_view& text, const Patch& patch, const Library& library) {
    const std::string_view whole = text;
    const Post* post = nullptr;
    std::size_t longest = 0;
    // Of two that fit as long, the id is meant: it is what is written where a name says too little.
    for (const auto word : {&Post::id, &Post::name})
        for (const Post& one : patch.posts) {
            std::string_view rest = whole;
            if ((one.*word).size() > longest && takeWord(rest, one.*word)) {
                post = &one;
                longest = (one.*word).size();
                text = rest;
            }
        }
    if (!post) {
        std::string names;
        for (const Post& one : patch.posts) names += (names.empty() ? "" : ", ") + one.name;
        return failure(say("\"{}\" begins with no post of this patch; there are {}", whole.substr(0, 60), names));
    }
    Found found{post};
    const std::string_view behind = text;
    longest = 0;
    const PartInfo& part = *library.part(*post);
    const auto tryWord = [&](const KnobInfo& one, const std::string& name, const Scale& scale) {
        std::string_view rest = behind;
        if (name.size() <= longest || !takeWord(rest, name)) return;
        found.knob = &one;
        found.scale = &scale;
        longest = name.size();
        text = rest;
    };
    for (const KnobInfo& one : part.knobs) { // what a word means now comes first
        const KnobInForce now = knobInForce(patch, *post, part, one);
        tryWord(one, *now.name, *now.scale);
    }
    for (const KnobInfo& one : part.knobs)
        for (const std::string* name : {&one.name, &one.id}) tryWord(one, *name, one.scale);
    if (!found.knob) {
        std::string names;
        for (const KnobInfo& one : part.knobs)
            names += (names.empty() ? "" : ", ") + *knobInForce(patch, *post, part, one).name;
        return failure(say("{} has no knob \"{}\"; it has {}", post->name, behind.substr(0, 40), names));
    }
    return found;
}

Result<double> valueOf(std::string_view text, const Found& found, double tempo) {
    text = trimmed(text);
    const auto value = found.scale->parse(text, tempo);
    if (!value || !(*value >= found.scale->min && *value <= found.scale->max))
        return failure(say("\"{}\" is no setting of {} of {}: it takes {}", text, found.knob->name, found.post->name,
                           found.scale->expectation()));
    return between(*found.scale, found.knob->scale, *value);
}

/// "5.3" is the third beat of bar 5, in beats from the start.
std::optional<double> barIn(std::string_view text) {
    text = trimmed(text);
    const auto dot = text.find('.');
    const auto bar = parseNumber(text.substr(0, dot));
    if (!bar || *bar < 1.0 || *bar != std::floor(*bar)) return std::nullopt;
    double beat = 1.0;
    if (dot != std::string_view::npos) {
        const auto second = parseNumber(text.substr(dot + 1, 1));
        if (!second || *second < 1.0 || *second > 4.0) return std::nullopt;
        beat = *second;
        if (text.size() > dot + 2) { // "5.3.5": half a beat later
            if (text[dot + 2] != '.') return std::nullopt;
            const auto part = parseNumber("0." + std::string(text.substr(dot + 3)));
            if (!part) return std::nullopt;
            beat += *part;
        }
    }
    return kBeatsPerBar * (*bar - 1.0) + beat - 1.0;
}

std::string barText(double beats) {
    const double bar = std::floor(beats / kBeatsPerBar + 1e-9);
    const double beat = beats - kBeatsPerBar * bar;
    if (beat < 1e-9) return fmt::format("{:.0f}", bar + 1.0);
    const double whole = std::floor(beat + 1e-9);
    std::string text = fmt::format("{:.0f}.{:.0f}", bar + 1.0, whole + 1.0);
    if (beat - whole > 1e-6) text += fmt::format("{:.4g}", beat - whole).substr(1);
    return text;
}

Result<Move> readMove(std::string_view text, Hand hand, const Scene& scene, const Patch& patch, const Library& library,
                      double tempo) {
    const auto found = takeKnob(text, patch, library);
    if (!found) return tl::unexpected(found.error());
    const auto arrow = text.find('>');
    const auto comma = text.rfind(", bar ");
    if (arrow == std::string_view::npos || comma == std::string_view::npos || comma < arrow)
        return failure(say("a move is written: left: filter cutoff 310 Hz > 1.2 kHz, bar 3 to 7"));
    const auto from = valueOf(text.substr(0, arrow), *found, tempo);
    if (!from) return tl::unexpected(from.error());
    const auto to = valueOf(text.substr(arrow + 1, comma - arrow - 1), *found, tempo);
    if (!to) return tl::unexpected(to.error());
    const std::string_view when = text.substr(comma + 6);
    const auto between = when.find(" to ");
    const auto start = barIn(when.substr(0, between));
    const auto end = between == std::string_view::npos ? start : barIn(when.substr(between + 4));
    if (!start || !end || *end < *start || *end > scene.beats() + 1e-9)
        return failure(say("\"bar {}\" is no time of {}: it goes from bar 1 to bar {:.0f}, with beats as 5.3", when,
                           scene.name, scene.beats() / kBeatsPerBar + 1.0));
    return Move{found->post->id, found->knob->id, *from, *to, *start, *end - *start, hand, {}};
}

/// "Intro: 8 bars x2"
std::optional<Scene> headIn(std::string_view line) {
    const auto colon = line.rfind(':');
    if (colon == std::string_view::npos) return std::nullopt;
    std::string_view behind = trimmed(line.substr(colon + 1));
    const auto digits = std::min(behind.find_first_not_of("0123456789"), behind.size());
    const auto bars = parseNumber(behind.substr(0, digits));
    if (!bars) return std::nullopt;
    behind = trimmed(behind.substr(digits));
    if (!takeWord(behind, "bars") && !takeWord(behind, "bar")) return std::nullopt;
    Scene scene;
    scene.name = std::string(trimmed(line.substr(0, colon)));
    scene.bars = static_cast<int>(std::min(*bars, 1e6));
    if (behind.empty()) return scene;
    const auto times = behind.front() == 'x' ? parseNumber(behind.substr(1)) : std::nullopt;
    if (!times || !(*times >= 0.0 && *times <= 1e6)) return std::nullopt;
    scene.repeats = static_cast<int>(*times);
    return scene;
}

} // namespace

Result<std::vector<Scene>> readScenes(std::string_view text, const Patch& patch, const Library& library) {
    std::vector<Scene> scenes;
    const double tempo = tempoOf(patch, library);
    Patch now = patch; // words are those in force where the scenes have led so far
    int number = 0;
    while (!text.empty()) {
        const auto end = std::min(text.find('\n'), text.size());
        std::string_view line = trimmed(text.substr(0, end));
        text.remove_prefix(std::min(end + 1, text.size()));
        ++number;
        if (line.empty() || line.front() == '#') continue;
        const auto fail = [&](Sentence why) { return failure(inside(say("line {}", number), std::move(why))); };
        if (line.size() > 300) return fail(say("the line is longer than 300 characters"));
        if (auto scene = headIn(line)) {
            if (scenes.size() == kMostScenes) return fail(say("there are more than {} scenes", kMostScenes));
            if (scene->name.empty() || scene->bars < 1 || scene->bars > 256 || scene->repeats < 1 ||
                scene->repeats > 64)
                return fail(say("a scene is written \"Intro: 8 bars\" or \"Swell: 16 bars x2\", with 1 to 256 bars, 1 "
                                "to 64 times"));
            scenes.push_back(std::move(*scene));
            continue;
        }
        if (scenes.empty()) return fail(say("the first line should begin a scene, as in \"Intro: 8 bars\""));
        Scene& scene = scenes.back();
        std::optional<Hand> hand;
        for (std::size_t h = 0; h < std::size(kHands); ++h) {
            const std::string word = std::string(kHands[h]) + ":";
            if (lower(line.substr(0, word.size())) != word) continue;
            hand = static_cast<Hand>(h);
            line = trimmed(line.substr(word.size()));
            break;
        }
        if (hand) {
            if (scene.moves.size() == kMostMoves) return fail(say("a scene has {} moves at most", kMostMoves));
            auto move = readMove(line, *hand, scene, now, library, tempo);
            if (!move) return fail(move.error().reason);
            scene.moves.push_back(std::move(*move));
            continue;
        }
        const auto found = takeKnob(line, now, library);
        if (!found) return fail(found.error().reason);
        const auto value = valueOf(line, *found, tempo);
        if (!value) return fail(value.error().reason);
        scene.setting[found->post->id][found->knob->id] = *value;
        setIn(now, {{found->post->id, {{found->knob->id, *value}}}});
    }
    return scenes;
}

namespace {

/// "filter cutoff", or the ids where they are gone.
std::string knobName(const std::string& post, const std::string& knob, const Patch& patch, const Library& library) {
    const Post* found = patch.post(post);
    const KnobInfo* info = found ? library.part(*found)->knob(knob) : nullptr;
    // Two posts of one name, or one called as another one's id, are told apart by their ids.
    const auto takenFor = [&](const Post& other) {
        return &other != found && (lower(other.name) == lower(found->name) || other.id == lower(found->name));
    };
    const bool alone = found && std::ranges::none_of(patch.posts, takenFor);
    return (alone ? found->name : post) + " " +
           (info ? lower(*knobInForce(patch, *found, *library.part(*found), *info).name) : knob);
}

std::string valueText(const std::string& post, const std::string& knob, double value, const Patch& patch,
                      const Library& library) {
    const Post* found = patch.post(post);
    const KnobInfo* info = found ? library.part(*found)->knob(knob) : nullptr;
    if (!info) return fmt::format("{:g}", value);
    const Scale& scale = *knobInForce(patch, *found, *library.part(*found), *info).scale;
    return scale.text(between(info->scale, scale, value));
}

} // namespace

Result<std::vector<Scene>> chainedVariations(std::string_view words, const Patch& patch, const Library& library,
                                             const std::string& post, int bars) {
    const auto sequencer = sequencerOf(patch, library, post);
    if (!sequencer || sequencer->variationKnob.empty() || sequencer->variations < 2)
        return failure(say("\"{}\" has no variations to chain", post));
    const char last = static_cast<char>('A' + sequencer->variations - 1);
    std::vector<Scene> scenes;
    for (std::string_view rest = trimmed(words); !rest.empty(); rest = trimmed(rest)) {
        const std::string_view word = rest.substr(0, std::min(rest.find_first_of(" \t\n,"), rest.size()));
        rest.remove_prefix(std::min(word.size() + 1, rest.size()));
        if (word.empty()) continue;
        const std::string small = lower(word);
        const auto times = small.find('x');
        const std::string length = small.substr(1, times == std::string::npos ? times : times - 1);
        const auto number = [&](const std::string& text, int usual) {
            const auto read = text.empty() ? std::optional<double>(usual) : parseNumber(text);
            return read && *read == std::floor(*read) && *read >= 1.0 && *read <= 256.0 ? static_cast<int>(*read) : 0;
        };
        Scene scene;
        scene.bars = number(length, bars);
        scene.repeats = times == std::string::npos ? 1 : number(small.substr(times + 1), 0);
        const int variation = small.front() - 'a';
        if (variation < 0 || variation >= sequencer->variations || scene.bars < 1 || scene.repeats < 1 ||
            scene.repeats > 64)
            return failure(
                say("\"{}\" is no link of a chain: write A to {}, as in A A B4 C2x2", word.substr(0, 40), last));
        if (scenes.size() == kMostScenes) return failure(say("there are more than {} scenes", kMostScenes));
        scene.name = std::string(1, static_cast<char>('A' + variation));
        scene.setting[post][sequencer->variationKnob] = variation;
        scenes.push_back(std::move(scene));
    }
    if (scenes.empty()) return failure(say("write the variations in their order, as in A A B4 C2x2"));
    return scenes;
}

std::string writeScenes(const std::vector<Scene>& scenes, const Patch& patch, const Library& library) {
    std::string out;
    Patch now = patch;
    for (const Scene& scene : scenes) {
        out += fmt::format("{}{}: {} bar{}{}\n", out.empty() ? "" : "\n", scene.name, scene.bars,
                           scene.bars == 1 ? "" : "s", scene.repeats > 1 ? fmt::format(" x{}", scene.repeats) : "");
        setIn(now, scene.setting);
        // What changes the words of others comes before them.
        for (const bool first : {true, false})
            for (const auto& [post, knobs] : scene.setting)
                for (const auto& [knob, value] : knobs) {
                    const Post* found = now.post(post);
                    if ((found && movesMeanings(*library.part(*found), knob)) != first) continue;
                    out += fmt::format("  {} {}\n", knobName(post, knob, now, library),
                                       valueText(post, knob, value, now, library));
                }
        for (const Move& move : scene.moves)
            out += fmt::format("  {}: {} {} > {}, bar {} to {}\n", kHands[static_cast<int>(move.hand)],
                               knobName(move.post, move.knob, now, library),
                               valueText(move.post, move.knob, move.from, now, library),
                               valueText(move.post, move.knob, move.to, now, library), barText(move.start),
                               barText(move.start + move.beats));
    }
    return out;
}

std::string moveText(const Move& move, const Patch& patch, const Library& library) {
    const Post* post = patch.post(move.post);
    const KnobInfo* knob = post ? library.part(*post)->knob(move.knob) : nullptr;
    const std::string name = knobName(move.post, move.knob, patch, library);
    if (!knob) return name;
    const auto hand = [&](double value) { return clockHand(knob->scale.toFraction(value)); };
    if (knob->scale.taper == Taper::Switch)
        return fmt::format("{} {} > {}", name, knob->scale.text(move.from), knob->scale.text(move.to));
    return fmt::format("{} {} > {}", name, hand(move.from), hand(move.to));
}

NextMove nextMove(const std::vector<Scene>& scenes, double beat) {
    NextMove best;
    double start = 0.0;
    for (std::size_t s = 0; s < scenes.size(); ++s) {
        for (const Move& move : scenes[s].moves) {
            const double begins = start + move.start;
            if (begins + move.beats < beat && begins < beat) continue; // over
            if (best.move && begins - beat >= best.beats) continue;
            best = {&move, static_cast<int>(s), begins - beat};
        }
        start += scenes[s].beats();
    }
    return best;
}

std::vector<SceneWarning> checkScenes(const Patch& patch, const Library& library, const Case* housing) {
    std::vector<SceneWarning> out;
    using Kind = SceneWarning::Kind;
    const auto knobOf = [&](const std::string& post, const std::string& knob) -> const KnobInfo* {
        const Post* found = patch.post(post);
        return found ? library.part(*found)->knob(knob) : nullptr;
    };
    const auto where = [&](const std::string& post) -> std::optional<std::pair<double, double>> {
        const Post* found = patch.post(post);
        if (!found || !housing) return std::nullopt;
        const auto slot = std::ranges::find(housing->slots, found->slot, &Slot::id);
        if (slot == housing->slots.end()) return std::nullopt;
        return std::pair(static_cast<double>(slot->column), kHpPerRow * slot->row);
    };
    struct Timed {
        const Move* move;
        int scene;
        double start;   ///< seconds of the song
        double seconds; ///< that it takes
    };
    std::map<Hand, std::vector<Timed>> hands;
    std::map<std::pair<std::string, std::string>, double> stands; ///< fractions of the travel, as the song goes on
    const auto standing = [&](const std::string& post, const std::string& knob, const KnobInfo& info) {
        const auto known = stands.find({post, knob});
        return known != stands.end() ? known->second : info.scale.toFraction(knobValue(*patch.post(post), info));
    };
    std::map<std::pair<std::string, std::string>, std::pair<int, double>> down; ///< turned down: where
    double seconds = 0.0;
    double tempo = std::max(20.0, tempoOf(patch, library));
    const TempoHome home = tempoHome(patch, library);
    for (int s = 0; s < static_cast<int>(patch.scenes.size()); ++s) {
        const Scene& scene = patch.scenes[static_cast<std::size_t>(s)];
        const auto stand = [&](const std::string& post, const std::string& knob, const KnobInfo& info, double value,
                               double beat) {
            const double at = info.scale.toFraction(value);
            const bool level = info.scale.unit == Unit::Percent || info.scale.unit == Unit::Decibels;
            const bool mutes = lower(info.name).find("mute") != std::string::npos && info.scale.taper == Taper::Switch;
            const bool shut = mutes ? at > 0.5 : level && at < kDown;
            const bool was = mutes ? standing(post, knob, info) > 0.5 : standing(post, knob, info) < kDown;
            if (shut && !was) down.insert_or_assign({post, knob}, std::pair(s, beat));
            if (!shut) down.erase({post, knob});
            stands[{post, knob}] = at;
        };
        for (const auto& [post, knobs] : scene.setting)
            for (const auto& [knob, value] : knobs) {
                const KnobInfo* info = knobOf(post, knob);
                if (!info) {
                    out.push_back({Kind::Gone, s, 0.0,
                                   say("{}: {} is not in the patch any more; that line does nothing", scene.name,
                                       knobName(post, knob, patch, library))});
                    continue;
                }
                stand(post, knob, *info, value, 0.0);
                if (home.post && home.post->id == post && home.knob->id == knob) tempo = std::max(20.0, value);
            }
        const double beat = 60.0 / tempo;
        std::vector<const Move*> inTime;
        for (const Move& move : scene.moves) inTime.push_back(&move);
        std::ranges::stable_sort(inTime, {}, [](const Move* move) { return move->start; });
        for (const Move* move : inTime) {
            const KnobInfo* info = knobOf(move->post, move->knob);
            const std::string name = knobName(move->post, move->knob, patch, library);
            if (!info) {
                out.push_back({Kind::Gone, s, move->start,
                               say("{}: {} is not in the patch any more; that line does nothing", scene.name, name)});
                continue;
            }
            const double from = info->scale.toFraction(move->from);
            const double to = info->scale.toFraction(move->to);
            if (std::abs(standing(move->post, move->knob, *info) - from) > kSame)
                out.push_back(
                    {Kind::Jumps, s, move->start,
                     say("{}, bar {}: {} stands at {} when its move begins at {}", scene.name, barText(move->start),
                         name, clockHand(standing(move->post, move->knob, *info)), clockHand(from))});
            stand(move->post, move->knob, *info, move->to, move->start + move->beats);
            const double takes = move->beats * beat;
            const double needs = kTravelSeconds * std::abs(to - from);
            if (takes < needs && info->scale.taper != Taper::Switch)
                out.push_back({Kind::TooFast, s, move->start,
                               say("{}, bar {}: {} in {:.2f} s, a hand takes {:.2f} s", scene.name,
                                   barText(move->start), name, takes, needs)});
            hands[move->hand].push_back({move, s, seconds + move->start * beat, takes});
        }
        seconds += scene.beats() * beat;
    }
    for (auto& [hand, moves] : hands)
        for (std::size_t m = 1; m < moves.size(); ++m) {
            const Timed& before = moves[m - 1];
            const Timed& now = moves[m];
            const std::string& scene = patch.scenes[static_cast<std::size_t>(now.scene)].name;
            const char* which = kHands[static_cast<int>(hand)];
            const std::string name = knobName(now.move->post, now.move->knob, patch, library);
            const double gap = now.start - (before.start + before.seconds);
            if (gap < -1e-6) {
                out.push_back({Kind::TwoAtOnce, now.scene, now.move->start,
                               say("{}, bar {}: the {} is still at {} when {} begins", scene, barText(now.move->start),
                                   hand == Hand::Foot ? std::string(which) : std::string(which) + " hand",
                                   knobName(before.move->post, before.move->knob, patch, library), name)});
                continue;
            }
            const auto there = where(before.move->post);
            const auto here = where(now.move->post);
            if (!there || !here || before.move->post == now.move->post) continue;
            const double far = std::hypot(here->first - there->first, here->second - there->second);
            const double needs = kReactSeconds + far / kHpPerSecond;
            if (gap < needs)
                out.push_back({Kind::TooFar, now.scene, now.move->start,
                               say("{}, bar {}: {:.0f} HP to {} in {:.2f} s, a hand takes {:.2f} s", scene,
                                   barText(now.move->start), far, name, gap, needs)});
        }
    for (const auto& [knob, at] : down) {
        const Scene& scene = patch.scenes[static_cast<std::size_t>(at.first)];
        const bool fades =
            at.second > 0.0 && at.first + 1 == static_cast<int>(patch.scenes.size()); // the end of the song
        if (!fades)
            out.push_back({Kind::LeftDown, at.first, at.second,
                           say("{}: {} is turned down here and never comes back", scene.name,
                               knobName(knob.first, knob.second, patch, library))});
    }
    std::ranges::stable_sort(out, {},
                             [](const SceneWarning& warning) { return std::pair(warning.scene, warning.beat); });
    return out;
}

} // namespace lariat
