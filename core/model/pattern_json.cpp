#include "model/pattern_json.h"

#include "units/pitch.h"

#include <algorithm>
#include <charconv>
#include <optional>
#include <sstream>

#include <fmt/format.h>

namespace lariat {
namespace {

std::vector<std::string> wordsOf(const std::string& text) {
    std::istringstream in(text);
    std::vector<std::string> words;
    for (std::string word; in >> word;) words.push_back(word);
    return words;
}

std::optional<double> numberIn(std::string_view text) {
    double value = 0.0;
    const auto [end, error] = std::from_chars(text.data(), text.data() + text.size(), value);
    if (error != std::errc{} || end != text.data() + text.size()) return std::nullopt;
    return value;
}

double numberFrom(std::string_view text, double min, double max, const std::string& what, const std::string& path) {
    const auto value = numberIn(text);
    if (!value || !(*value >= min && *value <= max))
        throw ReadError(path, fmt::format("\"{}\" should be a {} from {} to {}", text, what, min, max));
    return *value;
}

double usualGate(Step::Kind kind) {
    return kind == Step::Kind::Tie ? 1.0 : 0.5;
}

/// A step is written in a few words: "D3", "D3! 0.4" (accented, open for 0.4 of the step), "D3 v80 c2.5 p50 x3 ~"
/// (velocity, CV in volts, chance in per cent, strikes, slide), "-" (rest), "=" (tie). Rests and ties may have all of
/// that too, and a note behind their sign.
Step readStep(const std::string& text, const std::string& path) {
    std::vector<std::string> words = wordsOf(text);
    if (words.empty()) throw ReadError(path, "is an empty step; a rest is written -");
    Step step;
    if (words.front().front() == '-' || words.front().front() == '=') {
        step.kind = words.front().front() == '-' ? Step::Kind::Rest : Step::Kind::Tie;
        step.gate = usualGate(step.kind);
        if (words.front().ends_with('!')) {
            step.accent = true;
            words.front().pop_back();
        }
        if (words.front().size() > 1) {
            const auto note = parseNote(words.front().substr(1));
            if (!note) throw ReadError(path, fmt::format("\"{}\" is not a step: write D3, D3! 0.4, - or =", text));
            step.note = *note;
        }
    } else {
        step.kind = Step::Kind::Note;
        if (words.front().ends_with('!')) {
            step.accent = true;
            words.front().pop_back();
        }
        const auto note = parseNote(words.front());
        if (!note) throw ReadError(path, fmt::format("\"{}\" is not a step: write D3, D3! 0.4, - or =", text));
        step.note = *note;
    }
    for (std::size_t w = 1; w < words.size(); ++w) {
        const std::string& word = words[w];
        const std::string_view rest = std::string_view(word).substr(1);
        switch (word.front()) {
        case '~':
            step.slide = true;
            break;
        case 'v':
            step.velocity = static_cast<int>(numberFrom(rest, 1, 127, "velocity", path));
            break;
        case 'c':
            step.cv = numberFrom(rest, -10, 10, "voltage", path);
            break;
        case 'p':
            step.probability = 0.01 * numberFrom(rest, 0, 100, "chance in per cent", path);
            break;
        case 'x':
            step.repeats = static_cast<int>(numberFrom(rest, 1, 8, "number of strikes", path));
            break;
        default:
            step.gate = numberIn(word).value_or(0.0);
            if (!(step.gate > 0.0 && step.gate <= 1.0))
                throw ReadError(path, fmt::format("the gate of \"{}\" should lie above 0 and up to 1", text));
        }
    }
    return step;
}

std::string writeStep(const Step& step) {
    std::string out = step.kind == Step::Kind::Rest ? "-" : step.kind == Step::Kind::Tie ? "=" : "";
    if (out.empty() || step.note != Step{}.note) out += noteName(step.note);
    if (step.accent) out += "!";
    if (step.gate != usualGate(step.kind)) out += fmt::format(" {}", step.gate);
    if (step.velocity != 100) out += fmt::format(" v{}", step.velocity);
    if (step.cv != 0.0) out += fmt::format(" c{}", step.cv);
    if (step.probability != 1.0) out += fmt::format(" p{}", 100.0 * step.probability);
    if (step.repeats != 1) out += fmt::format(" x{}", step.repeats);
    if (step.slide) out += " ~";
    return out;
}

void checkLength(const Reader& in, const char* key, std::size_t count) {
    if (count < 1 || count > kMaxSteps)
        in.fail(key, fmt::format("has {} steps, 1 to {} are possible", count, kMaxSteps));
}

constexpr const char* kDirections[] = {"forward", "backward", "pendulum", "random"};

Stride readStride(Reader& in) {
    Stride stride;
    stride.division = in.integer("division", 1, 16, 1);
    stride.lock = in.integer("lock", 0, 16, 1);
    const std::string direction = in.text("direction", "forward");
    const auto* found = std::ranges::find(kDirections, direction);
    if (found == std::end(kDirections))
        in.fail("direction", fmt::format("\"{}\" is not one of forward, backward, pendulum, random", direction));
    stride.direction = static_cast<Direction>(found - kDirections);
    return stride;
}

void writeStride(Json& out, const Stride& stride) {
    if (stride.division != 1) out["division"] = stride.division;
    if (stride.direction != Direction::Forward) out["direction"] = kDirections[static_cast<int>(stride.direction)];
    if (stride.lock != 1) out["lock"] = stride.lock;
}

void readLines(Reader& in, std::vector<Track>& tracks, std::vector<Lane>& lanes) {
    in.each("tracks", [&](Reader track) {
        Track out{track.text("name"), {}, {}};
        track.eachText("steps", [&](const std::string& text, const std::string& path) {
            out.steps.push_back(readStep(text, path));
        });
        checkLength(track, "steps", out.steps.size());
        out.stride = readStride(track);
        out.extra = track.rest();
        tracks.push_back(std::move(out));
    });
    in.each("lanes", [&](Reader lane) {
        Lane out{lane.text("name"), {}, {}};
        for (const char c : lane.text("hits")) {
            if (c != 'x' && c != '.' && c != ' ') lane.fail("hits", "should be written with x, . and spaces only");
            if (c != ' ') out.hits.push_back(c == 'x');
        }
        checkLength(lane, "hits", out.hits.size());
        out.stride = readStride(lane);
        out.extra = lane.rest();
        lanes.push_back(std::move(out));
    });
}

void writeLines(Json& out, const std::vector<Track>& tracks, const std::vector<Lane>& lanes) {
    Json all = Json::array();
    for (const Track& track : tracks) {
        Json steps = Json::array();
        for (const Step& step : track.steps) steps.push_back(writeStep(step));
        Json node = {{"name", track.name}, {"steps", std::move(steps)}};
        writeStride(node, track.stride);
        putBack(node, track.extra);
        all.push_back(std::move(node));
    }
    out["tracks"] = std::move(all);
    all = Json::array();
    for (const Lane& lane : lanes) {
        std::string hits;
        for (std::size_t i = 0; i < lane.hits.size(); ++i) {
            if (i > 0 && i % 4 == 0) hits += ' ';
            hits += lane.hits[i] ? 'x' : '.';
        }
        Json node = {{"name", lane.name}, {"hits", hits}};
        writeStride(node, lane.stride);
        putBack(node, lane.extra);
        all.push_back(std::move(node));
    }
    out["lanes"] = std::move(all);
}

// A message is written "beat word values", with "@channel" behind it unless that is 1.
struct MessageWord {
    const char* word;
    std::uint8_t status;
    int values; ///< data bytes
};
constexpr MessageWord kMessages[] = {{"on", 0x90, 2},       {"off", 0x80, 1},   {"cc", 0xB0, 2},
                                     {"pressure", 0xD0, 1}, {"bend", 0xE0, 1},  {"key-pressure", 0xA0, 2},
                                     {"program", 0xC0, 1},  {"clock", 0xF8, 0}, {"start", 0xFA, 0},
                                     {"continue", 0xFB, 0}, {"stop", 0xFC, 0}};

/// Those whose first value is a note.
bool namesNote(int status) {
    return status == 0x90 || status == 0x80 || status == 0xA0;
}

PlayedMessage readMessage(const std::string& text, const std::string& path) {
    std::vector<std::string> words = wordsOf(text);
    int channel = 1;
    if (!words.empty() && words.back().starts_with('@')) {
        channel = static_cast<int>(numberFrom(std::string_view(words.back()).substr(1), 1, 16, "channel", path));
        words.pop_back();
    }
    const auto* kind = words.size() < 2 ? std::end(kMessages)
                                        : std::ranges::find(kMessages, words[1],
                                                            [](const MessageWord& m) { return std::string(m.word); });
    if (kind == std::end(kMessages) || words.size() != 2 + static_cast<std::size_t>(kind->values))
        throw ReadError(path,
                        fmt::format("\"{}\" is not a message: write 0.5 on C4 100, 1 off C4, 0 cc 1 64, 0 bend -2000, "
                                    "0 pressure 90, 0 clock, with @channel behind it",
                                    text));
    PlayedMessage out;
    out.beat = numberFrom(words[0], 0, 100000, "place in beats", path);
    out.message.status = kind->status;
    if (kind->status < 0xF0) out.message.status = static_cast<std::uint8_t>(kind->status | (channel - 1));
    const auto byte = [&](std::size_t w) {
        return static_cast<std::uint8_t>(numberFrom(words[w], 0, 127, "number", path));
    };
    if (kind->status == 0xE0) {
        const int bend = 8192 + static_cast<int>(numberFrom(words[2], -8192, 8191, "bend", path));
        out.message.data1 = static_cast<std::uint8_t>(bend & 0x7F);
        out.message.data2 = static_cast<std::uint8_t>(bend >> 7);
    } else if (namesNote(kind->status)) {
        const auto note = parseNote(words[2]);
        if (!note || *note < 0 || *note > 127)
            throw ReadError(path, fmt::format("\"{}\" is not a note from C-1 to G9", words[2]));
        out.message.data1 = static_cast<std::uint8_t>(*note);
        if (kind->values == 2) out.message.data2 = byte(3);
    } else {
        if (kind->values > 0) out.message.data1 = byte(2);
        if (kind->values > 1) out.message.data2 = byte(3);
    }
    return out;
}

std::string writeMessage(const PlayedMessage& played) {
    const MidiMessage& m = played.message;
    const auto* word = std::ranges::find(kMessages, m.kind(), [](const MessageWord& w) { return int{w.status}; });
    if (word == std::end(kMessages)) return {}; // such as active sensing, which nobody plays
    std::string out = fmt::format("{} {}", played.beat, word->word);
    if (m.kind() == 0xE0)
        out += fmt::format(" {}", (m.data2 << 7 | m.data1) - 8192);
    else if (namesNote(m.kind()))
        out += " " + noteName(m.data1);
    else if (word->values > 0)
        out += fmt::format(" {}", m.data1);
    if (word->values > 1) out += fmt::format(" {}", m.data2);
    if (m.status < 0xF0 && m.channel() > 0) out += fmt::format(" @{}", m.channel() + 1);
    return out;
}

} // namespace

Pattern readPattern(Reader& in) {
    Pattern pattern;
    pattern.post = in.id("post");
    readLines(in, pattern.tracks, pattern.lanes);
    in.each("variations", [&](Reader other) {
        pattern.others.emplace_back();
        readLines(other, pattern.others.back().tracks, pattern.others.back().lanes);
        pattern.others.back().extra = other.rest();
    });
    pattern.extra = in.rest();
    if (pattern.others.size() >= static_cast<std::size_t>(kMaxVariations))
        in.fail("variations",
                fmt::format("has {} behind the first, {} are possible", pattern.others.size(), kMaxVariations - 1));
    return pattern;
}

Json writePattern(const Pattern& pattern) {
    Json out = {{"post", pattern.post}};
    writeLines(out, pattern.tracks, pattern.lanes);
    if (!pattern.others.empty()) {
        Json others = Json::array();
        for (const Variation& variation : pattern.others) {
            Json node = Json::object();
            writeLines(node, variation.tracks, variation.lanes);
            putBack(node, variation.extra);
            others.push_back(std::move(node));
        }
        out["variations"] = std::move(others);
    }
    putBack(out, pattern.extra);
    return out;
}

Performance readPerformance(Reader& in) {
    Performance played;
    played.post = in.id("post");
    played.tempo = in.number("tempo", 20, 400, 120.0);
    played.lengthBeats = in.number("length", 0, 100000, 0.0);
    in.eachText(
        "messages",
        [&](const std::string& text, const std::string& path) { played.messages.push_back(readMessage(text, path)); },
        kMaxMessages);
    played.extra = in.rest();
    std::ranges::stable_sort(played.messages, {}, &PlayedMessage::beat);
    return played;
}

Json writePerformance(const Performance& played) {
    Json out = {{"post", played.post}, {"tempo", played.tempo}};
    if (played.lengthBeats > 0.0) out["length"] = played.lengthBeats;
    Json messages = Json::array();
    for (const PlayedMessage& message : played.messages)
        if (std::string text = writeMessage(message); !text.empty()) messages.push_back(std::move(text));
    out["messages"] = std::move(messages);
    putBack(out, played.extra);
    return out;
}

} // namespace lariat
