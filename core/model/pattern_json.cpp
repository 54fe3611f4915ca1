#include "model/pattern_json.h"

#include "model/pattern_text.h"
#include "units/number.h"
#include "units/pitch.h"

#include <algorithm>
#include <cmath>
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

double numberFrom(std::string_view text, double min, double max, const std::string& path) {
    const auto value = parseNumber(text);
    if (!value || !(*value >= min && *value <= max))
        throw ReadError(path, say("\"{}\" should be a number from {} to {}", text, min, max));
    return *value;
}

void readLines(Reader& in, std::vector<Track>& tracks, std::vector<Lane>& lanes) {
    in.each("tracks", [&](Reader track) {
        Track out{track.text("name"), {}, {}};
        track.eachText("steps", [&](const std::string& text, const std::string& path) {
            auto step = readStep(text);
            if (!step) throw ReadError(path, step.error().reason);
            out.steps.push_back(*step);
        });
        if (out.steps.empty() || out.steps.size() > kMaxSteps)
            track.fail("steps", say("has {} steps, 1 to {} are possible", out.steps.size(), kMaxSteps));
        out.stride = readStride(track);
        out.extra = track.rest();
        tracks.push_back(std::move(out));
    });
    in.each("lanes", [&](Reader lane) {
        Lane out{lane.text("name"), {}, {}};
        auto hits = readHits(lane.text("hits"));
        if (!hits) lane.fail("hits", hits.error().reason);
        out.hits = std::move(*hits);
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
        Json node = {{"name", lane.name}, {"hits", writeHits(lane.hits)}};
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
        channel = static_cast<int>(numberFrom(std::string_view(words.back()).substr(1), 1, 16, path));
        words.pop_back();
    }
    const auto* kind = words.size() < 2 ? std::end(kMessages)
                                        : std::ranges::find(kMessages, words[1],
                                                            [](const MessageWord& m) { return std::string(m.word); });
    if (kind == std::end(kMessages) || words.size() != 2 + static_cast<std::size_t>(kind->values))
        throw ReadError(path, say("\"{}\" is not a message: write 0.5 on C4 100, 1 off C4, 0 cc 1 64, 0 bend -2000, "
                                  "0 pressure 90, 0 clock, with @channel behind it",
                                  text));
    PlayedMessage out;
    out.beat = numberFrom(words[0], 0, 100000, path);
    out.message.status = kind->status;
    if (kind->status < 0xF0) out.message.status = static_cast<std::uint8_t>(kind->status | (channel - 1));
    const auto byte = [&](std::size_t w) { return static_cast<std::uint8_t>(numberFrom(words[w], 0, 127, path)); };
    if (kind->status == 0xE0) {
        const int bend = 8192 + static_cast<int>(numberFrom(words[2], -8192, 8191, path));
        out.message.data1 = static_cast<std::uint8_t>(bend & 0x7F);
        out.message.data2 = static_cast<std::uint8_t>(bend >> 7);
    } else if (namesNote(kind->status)) {
        const auto note = parseNote(words[2]);
        if (!note || *note < 0 || *note > 127)
            throw ReadError(path, say("\"{}\" is not a note from C-1 to G9", words[2]));
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

Stride readStride(Reader& in) {
    Stride stride;
    stride.division = in.integer("division", 1, 16, 1);
    stride.lock = in.integer("lock", 0, 16, 1);
    stride.triplets = in.flag("triplets", false);
    stride.swing = 0.01 * in.number("swing", 50, 100.0 * kMostSwing, 50);
    const std::string direction = in.text("direction", "forward");
    const auto* found = std::ranges::find(kDirectionNames, direction);
    if (found == kDirectionNames.end())
        in.fail("direction", say("\"{}\" is not one of forward, backward, pendulum, random", direction));
    stride.direction = static_cast<Direction>(found - kDirectionNames.begin());
    return stride;
}

void writeStride(Json& out, const Stride& stride) {
    if (stride.division != 1) out["division"] = stride.division;
    if (stride.direction != Direction::Forward)
        out["direction"] = kDirectionNames[static_cast<std::size_t>(stride.direction)];
    if (stride.lock != 1) out["lock"] = stride.lock;
    if (stride.triplets) out["triplets"] = true;
    if (stride.swing != 0.5) out["swing"] = std::round(1e6 * stride.swing) / 1e4;
}

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
                say("has {} behind the first, {} are possible", pattern.others.size(), kMaxVariations - 1));
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

void readPlayed(Reader& in, Performance& played) {
    played.tempo = in.number("tempo", 20, 400, 120.0);
    played.lengthBeats = in.number("length", 0, 100000, 0.0);
    in.eachText(
        "messages",
        [&](const std::string& text, const std::string& path) { played.messages.push_back(readMessage(text, path)); },
        kMaxMessages);
    std::ranges::stable_sort(played.messages, {}, &PlayedMessage::beat);
}

void writePlayed(Json& out, const Performance& played) {
    out["tempo"] = played.tempo;
    if (played.lengthBeats > 0.0) out["length"] = played.lengthBeats;
    Json messages = Json::array();
    for (const PlayedMessage& message : played.messages)
        if (std::string text = writeMessage(message); !text.empty()) messages.push_back(std::move(text));
    out["messages"] = std::move(messages);
}

Performance readPerformance(Reader& in) {
    Performance played;
    played.post = in.id("post");
    readPlayed(in, played);
    played.extra = in.rest();
    return played;
}

Json writePerformance(const Performance& played) {
    Json out = {{"post", played.post}};
    writePlayed(out, played);
    putBack(out, played.extra);
    return out;
}

} // namespace lariat
