#include "model/patch.h"

#include "model/json.h"

#include "units/pitch.h"

#include <algorithm>
#include <limits>

#include <fmt/format.h>

namespace lariat {
namespace {

JackRef readJackRef(Reader& in, const char* key) {
    const std::string text = in.text(key);
    const auto dot = text.find('.');
    if (dot == std::string::npos || dot == 0 || dot + 1 == text.size() || text.find('.', dot + 1) != std::string::npos)
        in.fail(key, fmt::format("\"{}\" is not written post.jack", text));
    return {text.substr(0, dot), text.substr(dot + 1)};
}

Post readPost(Reader& in) {
    Post post;
    post.id = in.id("id");
    post.name = in.text("name");
    post.slot = in.id("slot");
    post.module = in.id("module");
    post.part = in.id("part");
    post.voice = in.text("voice", "");
    in.eachNumber("knobs", [&](const std::string& id, double value) { post.knobs[id] = value; });
    post.extra = in.rest();
    return post;
}

Cable readCable(Reader& in) {
    Cable cable;
    cable.id = in.integer("id", 1, std::numeric_limits<int>::max() - 1);
    cable.from = readJackRef(in, "from");
    cable.to = readJackRef(in, "to");
    cable.voice = in.text("voice", "");
    cable.step = in.text("step", "");
    cable.note = in.text("note", "");
    cable.lengthCm = in.integer("length", 0, 1000, 0);
    cable.colour = in.text("colour", "");
    cable.extra = in.rest();
    return cable;
}

/// A step is written as one word: "D3", "D3! 0.4" (accented, open for 0.4 of the step), "-" (rest), "=" (tie).
Step readStep(const std::string& text, const std::string& path) {
    if (text == "-") return {};
    if (text == "=") return {Step::Kind::Tie, 60, 1.0, false};
    std::string word = text.substr(0, text.find(' '));
    Step step{Step::Kind::Note, 60, 0.5, false};
    if (word.ends_with('!')) {
        step.accent = true;
        word.pop_back();
    }
    const auto note = parseNote(word);
    if (!note) throw ReadError(path, fmt::format("\"{}\" is not a step: write D3, D3! 0.4, - or =", text));
    step.note = *note;
    if (const auto space = text.find(' '); space != std::string::npos) {
        try {
            step.gate = std::stod(text.substr(space + 1));
        } catch (const std::exception&) {
            step.gate = 0.0;
        }
        if (!(step.gate > 0.0 && step.gate <= 1.0))
            throw ReadError(path, fmt::format("the gate of \"{}\" should lie above 0 and up to 1", text));
    }
    return step;
}

std::string writeStep(const Step& step) {
    if (step.kind == Step::Kind::Rest) return "-";
    if (step.kind == Step::Kind::Tie) return "=";
    std::string out = noteName(step.note) + (step.accent ? "!" : "");
    if (step.gate != 0.5) out += fmt::format(" {}", step.gate);
    return out;
}

void checkLength(const Reader& in, const char* key, std::size_t count) {
    if (count < 1 || count > kMaxSteps)
        in.fail(key, fmt::format("has {} steps, 1 to {} are possible", count, kMaxSteps));
}

Pattern readPattern(Reader& in) {
    Pattern pattern;
    pattern.post = in.id("post");
    in.each("tracks", [&](Reader track) {
        Track out{track.text("name"), {}};
        track.eachText("steps", [&](const std::string& text, const std::string& path) {
            out.steps.push_back(readStep(text, path));
        });
        checkLength(track, "steps", out.steps.size());
        pattern.tracks.push_back(std::move(out));
    });
    in.each("lanes", [&](Reader lane) {
        Lane out{lane.text("name"), {}};
        for (const char c : lane.text("hits")) {
            if (c != 'x' && c != '.' && c != ' ') lane.fail("hits", "should be written with x, . and spaces only");
            if (c != ' ') out.hits.push_back(c == 'x');
        }
        checkLength(lane, "hits", out.hits.size());
        pattern.lanes.push_back(std::move(out));
    });
    return pattern;
}

Json writePattern(const Pattern& pattern) {
    Json out = {{"post", pattern.post}};
    Json tracks = Json::array();
    for (const Track& track : pattern.tracks) {
        Json steps = Json::array();
        for (const Step& step : track.steps) steps.push_back(writeStep(step));
        tracks.push_back({{"name", track.name}, {"steps", std::move(steps)}});
    }
    out["tracks"] = std::move(tracks);
    Json lanes = Json::array();
    for (const Lane& lane : pattern.lanes) {
        std::string hits;
        for (std::size_t i = 0; i < lane.hits.size(); ++i) {
            if (i > 0 && i % 4 == 0) hits += ' ';
            hits += lane.hits[i] ? 'x' : '.';
        }
        lanes.push_back({{"name", lane.name}, {"hits", hits}});
    }
    out["lanes"] = std::move(lanes);
    return out;
}

void putText(Json& node, const char* key, const std::string& value) {
    if (!value.empty()) node[key] = value;
}

} // namespace

const Post* Patch::post(std::string_view id) const {
    const auto it = std::ranges::find(posts, id, &Post::id);
    return it == posts.end() ? nullptr : &*it;
}

const Cable* Patch::cable(int id) const {
    const auto it = std::ranges::find(cables, id, &Cable::id);
    return it == cables.end() ? nullptr : &*it;
}

const Cable* Patch::cableInto(const JackRef& to) const {
    const auto it = std::ranges::find(cables, to, &Cable::to);
    return it == cables.end() ? nullptr : &*it;
}

const Pattern* Patch::pattern(std::string_view post) const {
    const auto it = std::ranges::find(patterns, post, &Pattern::post);
    return it == patterns.end() ? nullptr : &*it;
}

int Patch::row(int cableId) const {
    const auto it = std::ranges::find(cables, cableId, &Cable::id);
    return it == cables.end() ? 0 : static_cast<int>(it - cables.begin()) + 1;
}

int Patch::freshCableId() const {
    int highest = 0;
    for (const Cable& cable : cables) highest = std::max(highest, cable.id);
    return highest + 1;
}

Result<Patch> readPatch(std::string_view bytes) {
    return readJson<Patch>(bytes, "lariat-patch", kPatchVersion, [](Reader& in) {
        Patch patch;
        patch.title = in.text("title");
        patch.about = in.text("about", "");
        patch.key = in.text("key", "");
        patch.caseId = in.id("case");
        patch.seed = static_cast<std::uint32_t>(in.integer("seed", 0, std::numeric_limits<int>::max(), 1));
        in.each("posts", [&](Reader post) {
            patch.posts.push_back(readPost(post));
            const auto& id = patch.posts.back().id;
            if (std::ranges::count(patch.posts, id, &Post::id) > 1)
                post.fail("id", fmt::format("\"{}\" is the name of another post already", id));
        });
        in.each("cables", [&](Reader cable) {
            patch.cables.push_back(readCable(cable));
            if (std::ranges::count(patch.cables, patch.cables.back().id, &Cable::id) > 1)
                cable.fail("id", "is the number of another cable already");
        });
        in.each("patterns", [&](Reader pattern) { patch.patterns.push_back(readPattern(pattern)); });
        patch.extra = in.rest();
        return patch;
    });
}

std::string writePatch(const Patch& patch) {
    Json out = {{"format", "lariat-patch"}, {"version", kPatchVersion}, {"title", patch.title}};
    putText(out, "about", patch.about);
    putText(out, "key", patch.key);
    out["case"] = patch.caseId;
    out["seed"] = patch.seed;
    Json posts = Json::array();
    for (const Post& post : patch.posts) {
        Json node = {
            {"id", post.id}, {"name", post.name}, {"slot", post.slot}, {"module", post.module}, {"part", post.part}};
        putText(node, "voice", post.voice);
        if (!post.knobs.empty()) {
            Json knobs = Json::object();
            for (const auto& [id, value] : post.knobs) knobs[id] = value;
            node["knobs"] = std::move(knobs);
        }
        putBack(node, post.extra);
        posts.push_back(std::move(node));
    }
    out["posts"] = std::move(posts);
    Json cables = Json::array();
    for (const Cable& cable : patch.cables) {
        Json node = {{"id", cable.id}, {"from", cable.from.text()}, {"to", cable.to.text()}};
        putText(node, "voice", cable.voice);
        putText(node, "step", cable.step);
        putText(node, "note", cable.note);
        if (cable.lengthCm > 0) node["length"] = cable.lengthCm;
        putText(node, "colour", cable.colour);
        putBack(node, cable.extra);
        cables.push_back(std::move(node));
    }
    out["cables"] = std::move(cables);
    Json patterns = Json::array();
    for (const Pattern& pattern : patch.patterns) patterns.push_back(writePattern(pattern));
    out["patterns"] = std::move(patterns);
    putBack(out, patch.extra);
    return dump(out);
}

} // namespace lariat
