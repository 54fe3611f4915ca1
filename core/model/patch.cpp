#include "model/patch.h"

#include "model/json.h"
#include "model/pattern_json.h"

#include <algorithm>
#include <limits>

#include <fmt/format.h>

namespace lariat {
namespace {

constexpr int kMostCableId = std::numeric_limits<int>::max() - 1;

JackRef readJackRef(Reader& in, const char* key) {
    const std::string text = in.text(key);
    const auto dot = text.find('.');
    if (dot == std::string::npos || dot == 0 || dot + 1 == text.size() || text.find('.', dot + 1) != std::string::npos)
        in.fail(key, say("\"{}\" is not written post.jack", text));
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
    in.eachNumber(
        "knobs", [&](const std::string& id, double value) { post.knobs[id] = value; },
        [&](const std::string& id, const std::string& text) { post.spoken[id] = text; });
    post.sample = in.text("sample", "");
    post.tuning = in.text("tuning", "");
    post.note = in.text("note", "");
    in.eachPair("knob-notes", [&](const std::string& id, const std::string& note) { post.knobNotes[id] = note; });
    in.eachText("locked", [&](const std::string& id, const std::string&) { post.locked.insert(id); });
    if (in.has("unknown")) {
        in.eachObject("unknown", [&](const std::string& id, Reader range) {
            Unknown one;
            if (range.has("from")) one.low = range.number("from", -1e12, 1e12);
            if (range.has("to")) one.high = range.number("to", -1e12, 1e12);
            if (one.low && one.high && *one.low > *one.high) range.fail("from", say("the range is turned round"));
            post.unknown[id] = one;
        });
    }
    post.extra = in.rest();
    return post;
}

Cable readCable(Reader& in) {
    Cable cable;
    cable.id = in.integer("id", 1, kMostCableId);
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

OpenEnd readOpenEnd(Reader& in) {
    OpenEnd end;
    end.id = in.integer("id", 1, kMostCableId);
    end.output = in.has("from");
    end.at = readJackRef(in, end.output ? "from" : "to");
    end.written = in.text("written", "");
    end.voice = in.text("voice", "");
    end.step = in.text("step", "");
    end.extra = in.rest();
    return end;
}

/// The oldest one that can say all of it.
int versionOf(const Patch& patch) {
    if (!patch.openEnds.empty() ||
        std::ranges::any_of(patch.patterns, [](const Shared<Pattern>& one) { return hasUnknownSteps(*one); }))
        return 3;
    return std::ranges::any_of(patch.posts, [](const Post& post) { return !post.unknown.empty(); }) ? 2 : 1;
}

Heading readHeading(Reader& in) {
    Heading heading{in.text("voice", ""), in.text("step", ""), in.text("colour", ""), in.flag("folded", false)};
    heading.extra = in.rest();
    if (!heading.colour.empty() && std::ranges::find(kHeadingColours, heading.colour) == kHeadingColours.end())
        in.fail("colour", say("\"{}\" is none of {}", heading.colour, fmt::join(kHeadingColours, ", ")));
    return heading;
}

void readSetting(Reader in, Patch& patch) {
    const std::string name = in.text("name");
    Setting& setting = patch.settings[name];
    const auto keep = [&](const std::string& post, Extra extra) {
        if (extra.keys()) patch.settingExtras[name][post] = std::move(extra);
    };
    in.each("posts", [&](Reader post) {
        const std::string id = post.id("id");
        auto& knobs = setting[id];
        post.eachNumber("knobs", [&](const std::string& knob, double value) { knobs[knob] = value; });
        keep(id, post.rest());
    });
    keep("", in.rest());
}

constexpr const char* kHands[] = {"left", "right", "foot"};

Scene readScene(Reader& in) {
    Scene scene;
    scene.name = in.text("name");
    scene.bars = in.integer("bars", 1, 256, 4);
    scene.repeats = in.integer("repeats", 1, 64, 1);
    in.each("posts", [&](Reader post) {
        auto& knobs = scene.setting[post.id("id")];
        post.eachNumber("knobs", [&](const std::string& knob, double value) { knobs[knob] = value; });
    });
    in.each("moves", [&](Reader node) {
        Move move{.post = node.id("post"), .knob = node.id("knob")};
        move.from = node.number("from", -1e12, 1e12);
        move.to = node.number("to", -1e12, 1e12);
        move.start = node.number("start", 0, 65536, 0.0);
        move.beats = node.number("beats", 0, 65536, 4.0);
        const std::string hand = node.text("hand", "right");
        const auto* found = std::ranges::find(kHands, hand);
        if (found == std::end(kHands)) node.fail("hand", say("\"{}\" is not one of left, right, foot", hand));
        move.hand = static_cast<Hand>(found - kHands);
        if (move.start + move.beats > scene.beats() + 1e-9)
            node.fail("beats",
                      say("the move ends at beat {:g}, the scene has {:g}", move.start + move.beats, scene.beats()));
        move.extra = node.rest();
        scene.moves.push_back(std::move(move));
    });
    if (scene.moves.size() > kMostMoves)
        in.fail("moves", say("has {} entries, {} are possible", scene.moves.size(), kMostMoves));
    scene.extra = in.rest();
    return scene;
}

SheetQuestion readQuestion(Reader& in) {
    SheetQuestion out;
    out.question = in.id("question");
    in.each("of", [&](Reader jack) { out.of.push_back({jack.text("post", ""), jack.text("jack", "")}); });
    out.with = in.text("with", "");
    out.extra = in.rest();
    return out;
}

Json writeNumbers(const std::map<std::string, double>& numbers) {
    Json node = Json::object();
    for (const auto& [id, value] : numbers) node[id] = value;
    return node;
}

void putText(Json& node, const char* key, const std::string& value) {
    if (!value.empty()) node[key] = value;
}

/// What is kept beside the wiring: headings, dismissed findings, controllers, settings put aside, scenes, questions.
void writeRemembered(const Patch& patch, Json& out) {
    for (const Heading& heading : patch.headings) {
        Json node = Json::object();
        putText(node, "voice", heading.voice);
        putText(node, "step", heading.step);
        putText(node, "colour", heading.colour);
        if (heading.folded) node["folded"] = true;
        putBack(node, heading.extra);
        out["headings"].push_back(std::move(node));
    }
    for (const Dismissal& kept : patch.dismissals) {
        Json node = {{"rule", kept.rule}};
        if (kept.cable > 0) node["cable"] = kept.cable;
        putText(node, "post", kept.post);
        node["reason"] = kept.reason;
        putBack(node, kept.extra);
        out["dismissed"].push_back(std::move(node));
    }
    for (const Controller& one : patch.controllers) {
        Json node = {{"number", one.number}, {"post", one.post}, {"knob", one.knob}};
        putBack(node, one.extra);
        out["controllers"].push_back(std::move(node));
    }
    for (const auto& [name, setting] : patch.settings) {
        const auto extras = patch.settingExtras.find(name);
        const auto putExtra = [&](Json& node, const std::string& post) {
            if (extras == patch.settingExtras.end()) return;
            if (const auto found = extras->second.find(post); found != extras->second.end())
                putBack(node, found->second);
        };
        Json posts = Json::array();
        for (const auto& [id, knobs] : setting) {
            Json node = {{"id", id}, {"knobs", writeNumbers(knobs)}};
            putExtra(node, id);
            posts.push_back(std::move(node));
        }
        Json node = {{"name", name}, {"posts", std::move(posts)}};
        putExtra(node, "");
        out["settings"].push_back(std::move(node));
    }
    for (const Scene& scene : patch.scenes) {
        Json node = {{"name", scene.name}, {"bars", scene.bars}};
        if (scene.repeats != 1) node["repeats"] = scene.repeats;
        Json posts = Json::array();
        for (const auto& [id, knobs] : scene.setting) posts.push_back({{"id", id}, {"knobs", writeNumbers(knobs)}});
        if (!posts.empty()) node["posts"] = std::move(posts);
        for (const Move& move : scene.moves) {
            Json one = {{"post", move.post}, {"knob", move.knob}, {"from", move.from}, {"to", move.to}};
            one["start"] = move.start;
            one["beats"] = move.beats;
            one["hand"] = kHands[static_cast<int>(move.hand)];
            putBack(one, move.extra);
            node["moves"].push_back(std::move(one));
        }
        putBack(node, scene.extra);
        out["scenes"].push_back(std::move(node));
    }
    for (const SheetQuestion& one : patch.asked) {
        Json node = {{"question", one.question}, {"of", Json::array()}};
        for (const JackRef& jack : one.of) {
            Json place = Json::object();
            putText(place, "post", jack.post);
            putText(place, "jack", jack.jack);
            node["of"].push_back(std::move(place));
        }
        putText(node, "with", one.with);
        putBack(node, one.extra);
        out["asked"].push_back(std::move(node));
    }
}

/// What a list of shared values holds for a post.
template <class T> std::shared_ptr<const T> sharedOf(const std::vector<Shared<T>>& all, std::string_view post) {
    const auto it = std::ranges::find_if(all, [&](const Shared<T>& one) { return one->post == post; });
    return it == all.end() ? nullptr : it->pointer();
}

} // namespace

bool hasUnknownSteps(const Pattern& pattern) {
    for (int v = 0; v <= static_cast<int>(pattern.others.size()); ++v) {
        for (const Track& track : pattern.tracksOf(v))
            if (std::ranges::any_of(track.steps, &Step::unknown)) return true;
        for (const Lane& lane : pattern.lanesOf(v))
            if (std::ranges::count(lane.hits, Hit::Unknown) > 0) return true;
    }
    return false;
}

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

std::shared_ptr<const Pattern> Patch::sharedPattern(std::string_view post) const {
    return sharedOf(patterns, post);
}

std::shared_ptr<const Performance> Patch::sharedPerformance(std::string_view post) const {
    return sharedOf(performances, post);
}

const Pattern* Patch::pattern(std::string_view post) const {
    return sharedPattern(post).get(); // the patch goes on holding it
}

const Performance* Patch::performance(std::string_view post) const {
    return sharedPerformance(post).get();
}

const Heading* Patch::heading(std::string_view voice, std::string_view step) const {
    const auto it =
        std::ranges::find_if(headings, [&](const Heading& h) { return h.voice == voice && h.step == step; });
    return it == headings.end() ? nullptr : &*it;
}

int Patch::row(int cableId) const {
    const auto it = std::ranges::find(cables, cableId, &Cable::id);
    return it == cables.end() ? 0 : static_cast<int>(it - cables.begin()) + 1;
}

int Patch::freshCableId() const {
    int highest = 0;
    for (const Cable& cable : cables) highest = std::max(highest, cable.id);
    if (highest < kMostCableId) return highest + 1;
    for (int id = 1;; ++id) // one of them stands at the end of what is possible: a gap is found
        if (!cable(id)) return id;
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
                post.fail("id", say("\"{}\" is the name of another post already", id));
        });
        in.each("cables", [&](Reader cable) {
            patch.cables.push_back(readCable(cable));
            if (std::ranges::count(patch.cables, patch.cables.back().id, &Cable::id) > 1)
                cable.fail("id", say("is the number of another cable already"));
        });
        in.each("open-ends", [&](Reader end) {
            patch.openEnds.push_back(readOpenEnd(end));
            if (std::ranges::count(patch.openEnds, patch.openEnds.back().id, &OpenEnd::id) > 1)
                end.fail("id", say("is the number of another open end already"));
            if (patch.openEnds.size() > kMostOpenEnds)
                end.fail("id", say("more than {} open ends are not kept", kMostOpenEnds));
        });
        in.each("patterns", [&](Reader pattern) { patch.patterns.push_back(readPattern(pattern)); });
        in.each("performances", [&](Reader played) { patch.performances.push_back(readPerformance(played)); });
        in.each("headings", [&](Reader heading) { patch.headings.push_back(readHeading(heading)); });
        in.each("dismissed", [&](Reader kept) {
            Dismissal dismissal{kept.text("rule"), kept.integer("cable", 0, std::numeric_limits<int>::max(), 0),
                                kept.text("post", ""), kept.text("reason")};
            dismissal.extra = kept.rest();
            patch.dismissals.push_back(std::move(dismissal));
        });
        in.each("controllers", [&](Reader node) {
            Controller controller{node.integer("number", 0, 127), node.text("post"), node.text("knob")};
            controller.extra = node.rest();
            patch.controllers.push_back(std::move(controller));
        });
        in.each("settings", [&](Reader setting) { readSetting(setting, patch); });
        in.each("scenes", [&](Reader scene) { patch.scenes.push_back(readScene(scene)); });
        if (patch.scenes.size() > kMostScenes)
            in.fail("scenes", say("has {} entries, {} are possible", patch.scenes.size(), kMostScenes));
        in.each("asked", [&](Reader question) { patch.asked.push_back(readQuestion(question)); });
        if (patch.asked.size() > kMostSheetQuestions)
            in.fail("asked", say("has {} entries, {} are possible", patch.asked.size(), kMostSheetQuestions));
        patch.extra = in.rest();
        return patch;
    });
}

std::string writePatch(const Patch& patch) {
    Json out = {{"format", "lariat-patch"}, {"version", versionOf(patch)}, {"title", patch.title}};
    putText(out, "about", patch.about);
    putText(out, "key", patch.key);
    out["case"] = patch.caseId;
    out["seed"] = patch.seed;
    Json posts = Json::array();
    for (const Post& post : patch.posts) {
        Json node = {
            {"id", post.id}, {"name", post.name}, {"slot", post.slot}, {"module", post.module}, {"part", post.part}};
        putText(node, "voice", post.voice);
        if (!post.knobs.empty() || !post.spoken.empty()) node["knobs"] = writeNumbers(post.knobs);
        for (const auto& [id, text] : post.spoken) node["knobs"][id] = text;
        for (const auto& [id, range] : post.unknown) {
            Json one = Json::object();
            if (range.low) one["from"] = *range.low;
            if (range.high) one["to"] = *range.high;
            node["unknown"][id] = std::move(one);
        }
        putText(node, "sample", post.sample);
        putText(node, "tuning", post.tuning);
        putText(node, "note", post.note);
        if (!post.knobNotes.empty()) node["knob-notes"] = post.knobNotes;
        if (!post.locked.empty()) node["locked"] = post.locked;
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
    for (const OpenEnd& end : patch.openEnds) {
        Json node = {{"id", end.id}, {end.output ? "from" : "to", end.at.text()}};
        putText(node, "written", end.written);
        putText(node, "voice", end.voice);
        putText(node, "step", end.step);
        putBack(node, end.extra);
        out["open-ends"].push_back(std::move(node));
    }
    Json patterns = Json::array();
    for (const Shared<Pattern>& pattern : patch.patterns) patterns.push_back(writePattern(pattern));
    out["patterns"] = std::move(patterns);
    if (!patch.performances.empty()) {
        Json performances = Json::array();
        for (const Shared<Performance>& played : patch.performances) performances.push_back(writePerformance(played));
        out["performances"] = std::move(performances);
    }
    writeRemembered(patch, out);
    putBack(out, patch.extra);
    return dump(out);
}

} // namespace lariat
