#include "support/seeded.h"

#include "library/check.h"

#include <algorithm>
#include <stdexcept>

#include <fmt/format.h>

namespace lariat::test {
namespace {

using Choice = std::pair<const char*, const char*>;

class Grower {
  public:
    explicit Grower(std::uint32_t seed) : random_(seed), maker_("tower-case") {}

    Patch grow() {
        maker_.post("clock", "bosun", "clock").post("tracks", "logbook", "tracks").post("out", "harbour", "out");
        tie("clock.sixteenths", "tracks.clock");
        tie("clock.reset-out", "tracks.reset");
        const int voices = pick(1, 3);
        const bool bridge = voices > 1 && chance(0.3);
        if (voices > 1) maker_.post("mix", bridge ? "bridge" : "gangway-a", "mixer");
        for (int v = 1; v <= voices; ++v) {
            voice_ = fmt::format("v{}", v);
            const int kind = pick(0, 3);
            const std::string sound = kind < 2 || v == 1 ? tune(v) : kind == 2 ? drum(v) : hiss(v);
            if (voices == 1) {
                last_ = sound;
            } else if (bridge) {
                tie(sound, fmt::format("mix.left-{}", v));
                maker_.knob("mix", fmt::format("level-{}", v), 60);
            } else {
                tie(sound, fmt::format("mix.in-{}", v));
                maker_.knob("mix", fmt::format("level-{}", v), 45);
            }
        }
        if (voices > 1) last_ = bridge ? "mix.out-left" : "mix.mix";
        if (chance(0.25)) {
            maker_.post("echo", "foghorn", "echo");
            tie(last_, "echo.left");
            last_ = "echo.left-out";
        } else if (chance(0.25)) {
            maker_.post("space", "cistern", "reverb");
            tie(last_, "space.left");
            last_ = "space.left-out";
        }
        tie(last_, "out.left");
        maker_.pattern({"tracks", tracks_, lanes_});
        return maker_.make();
    }

  private:
    int pick(int from, int to) { return std::uniform_int_distribution<int>(from, to)(random_); }
    double between(double from, double to) { return std::uniform_real_distribution<double>(from, to)(random_); }
    bool chance(double p) { return between(0, 1) < p; }
    std::string id(const std::string& word) const { return voice_ + "-" + word; }

    void tie(const std::string& from, const std::string& to) { maker_.tie(from, to); }
    /// The next of these that is free.
    std::string take(const std::string& word, std::initializer_list<Choice> of) {
        for (const auto& [slot, part] : of)
            if (taken_.insert({slot, part}).second) {
                maker_.post(id(word), slot, part);
                return id(word);
            }
        return {};
    }
    std::string contour(const std::string& word) {
        return take(word, {{"lantern-a", "1"},
                           {"lantern-a", "2"},
                           {"lantern-b", "1"},
                           {"lantern-b", "2"},
                           {"lantern-c", "1"},
                           {"lantern-c", "2"},
                           {"lantern-d", "1"}});
    }

    /// Something that passes a gate on.
    std::string gateWay(std::string gate) {
        if (chance(0.25)) {
            if (const std::string post = take("split", {{"splice-a", "mult"}, {"splice-b", "mult"}}); !post.empty()) {
                tie(gate, post + ".in");
                return post + ".out-2";
            }
        }
        if (chance(0.2)) {
            if (const std::string post = take("logic", {{"plank-a", "logic"}, {"plank-b", "logic"}}); !post.empty()) {
                tie(gate, post + ".a");
                return post + ".or";
            }
        }
        return gate;
    }
    std::string pitchWay(std::string pitch) {
        if (chance(0.2)) {
            if (const std::string post = take("copy", {{"splice-c", "mult"}}); !post.empty()) {
                tie(pitch, post + ".in");
                pitch = post + ".out-1";
            }
        }
        if (chance(0.2)) {
            if (const std::string post = take("quantizer", {{"compass", "quantizer"}}); !post.empty()) {
                tie(pitch, post + ".in-1");
                pitch = post + ".out-1";
            }
        }
        if (chance(0.2)) {
            if (const std::string post = take("sum", {{"ledger", "adder"}}); !post.empty()) {
                tie(pitch, post + ".a");
                pitch = post + ".sum";
            }
        }
        if (chance(0.25)) {
            if (const std::string post = take("scale", {{"cargo-a", "1"}, {"cargo-a", "2"}, {"cargo-b", "1"}});
                !post.empty()) {
                maker_.knob(post, "amount", 100);
                tie(pitch, post + ".in");
                pitch = post + ".out";
            }
        }
        if (chance(0.2)) {
            if (const std::string post = take("glide", {{"drag-a", "1"}, {"drag-a", "2"}}); !post.empty()) {
                maker_.knob(post, "rise", 0.01).knob(post, "fall", 0.01);
                tie(pitch, post + ".in");
                pitch = post + ".out";
            }
        }
        return pitch;
    }

    std::string tune(int v) {
        Track track{voice_, {}};
        const int steps = pick(4, 12);
        const int notes[] = {50, 52, 53, 55, 57, 58, 60, 62};
        for (int s = 0; s < steps; ++s) {
            Step step{Step::Kind::Note, notes[pick(0, 7)] + (s == 0 ? 12 : 0), between(0.6, 0.8), false};
            if (s > 1 && chance(0.2)) step.kind = Step::Kind::Rest;
            track.steps.push_back(step);
        }
        while (tracks_.size() + 1 < static_cast<std::size_t>(v)) tracks_.push_back({"empty", {Step{}}});
        tracks_.push_back(track);
        const std::string gate = gateWay(fmt::format("tracks.gate-{}", v));
        const std::string pitch = pitchWay(fmt::format("tracks.pitch-{}", v));
        const std::string osc = oscillator("osc");
        bool tied = false;
        const char* waves[] = {"saw", "pulse", "triangle"};
        std::string sound = osc + "." + waves[pick(0, 2)];
        if (chance(0.3)) {
            const std::string blend = take("blend", {{"gangway-b", "mixer"}, {"gangway-c", "mixer"}});
            if (!blend.empty()) {
                const std::string other = oscillator("other");
                const std::string copies = take("copies", {{"splice-b", "mult"}, {"splice-c", "mult"}});
                tied = true;
                if (copies.empty()) {
                    tie(pitch, osc + ".voct");
                } else { // a second load would pull the pitch flat
                    tie(pitch, copies + ".in");
                    tie(copies + ".out-1", osc + ".voct");
                    tie(copies + ".out-2", other + ".voct");
                }
                maker_.knob(other, "fine", 0.07);
                tie(sound, blend + ".in-1");
                tie(other + ".saw", blend + ".in-2");
                maker_.knob(blend, "level-1", 40).knob(blend, "level-2", 40);
                sound = blend + ".mix";
            }
        }
        if (!tied) tie(pitch, osc + ".voct");
        const std::string env = contour("contour");
        maker_.knob(env, "attack", 0.004).knob(env, "decay", 0.04).knob(env, "release", between(0.02, 0.05));
        tie(gate, env + ".gate");
        if (chance(0.25)) {
            if (const std::string post = take("folder", {{"reef", "folder"}}); !post.empty()) {
                tie(sound, post + ".in");
                sound = post + ".out";
            }
        }
        if (chance(0.75)) {
            const bool ladder = chance(0.4);
            const std::string post = ladder ? take("filter", {{"hawser-a", "ladder"}, {"hawser-b", "ladder"}})
                                            : take("filter", {{"skerry-a", "filter"}, {"skerry-b", "filter"}});
            if (!post.empty()) {
                tie(sound, post + (ladder ? ".in" : ".in-1"));
                maker_.knob(post, "cutoff", between(500, 3000));
                if (chance(0.5)) {
                    tie(env + ".out", post + ".cv-1");
                    maker_.knob(post, "amount-1", 20);
                }
                if (chance(0.3)) {
                    const std::string lfo = take("lfo", {{"swell-a", "lfo"}, {"swell-b", "lfo"}});
                    if (!lfo.empty()) {
                        tie(lfo + ".triangle", post + ".cv-2");
                        maker_.knob(post, "amount-2", 8).knob(lfo, "rate", 0.7);
                    }
                }
                sound = post + (ladder ? ".four" : ".low");
            }
        }
        return amplified(sound, env + ".out");
    }

    std::string oscillator(const std::string& word) {
        return take(
            word,
            {{"keel-a", "a"}, {"keel-a", "b"}, {"keel-b", "a"}, {"keel-b", "b"}, {"keel-c", "a"}, {"keel-c", "b"}});
    }

    std::string amplified(const std::string& sound, std::string cv) {
        if (chance(0.2)) {
            if (const std::string post = take("level", {{"cargo-c", "1"}, {"cargo-c", "2"}, {"cargo-d", "1"}});
                !post.empty()) {
                maker_.knob(post, "amount", 90);
                tie(cv, post + ".in");
                cv = post + ".out";
            }
        }
        const int kind = pick(0, 3);
        if (kind == 0) {
            if (const std::string post = take("amp", {{"quay-a", "bank"}, {"quay-b", "bank"}}); !post.empty()) {
                tie(sound, post + ".in-1");
                tie(cv, post + ".cv-1");
                return post + ".out-1";
            }
        }
        if (kind == 1) {
            if (const std::string post = take("amp", {{"mussel", "1"}, {"mussel", "2"}}); !post.empty()) {
                tie(sound, post + ".in");
                tie(cv, post + ".cv");
                maker_.knob(post, "response", 40);
                return post + ".out";
            }
        }
        const std::string post =
            take("amp",
                 {{"ballast-a", "1"}, {"ballast-a", "2"}, {"ballast-b", "1"}, {"ballast-b", "2"}, {"ballast-c", "1"}});
        tie(sound, post + ".in");
        tie(cv, post + ".lin-cv");
        return post + ".out";
    }

    std::string struck(int v, double decay) {
        while (lanes_.size() + 1 < static_cast<std::size_t>(v)) lanes_.push_back({"empty", hits("....")});
        const char* rhythms[] = {"x...x...", "x.....x.", "..x...x.", "x..x..x."};
        lanes_.push_back({voice_, hits(rhythms[pick(0, 3)])});
        const std::string env = contour("contour");
        maker_.knob(env, "type", 2).knob(env, "attack", 0.001).knob(env, "decay", decay);
        tie(gateWay(fmt::format("tracks.drum-{}", v)), env + ".gate");
        return env;
    }
    std::string drum(int v) {
        const std::string env = struck(v, between(0.08, 0.15));
        const std::string osc = take("body", {{"anchor-a", "osc"}, {"anchor-b", "osc"}, {"anchor-c", "osc"}});
        maker_.knob(osc, "octave", 1);
        tie(fmt::format("tracks.drum-{}", v), osc + ".sync");
        tie(env + ".out", osc + ".fm");
        maker_.knob(osc, "fm-amount", 15);
        return amplified(osc + ".sine", env + ".out");
    }
    std::string hiss(int v) {
        const std::string env = struck(v, between(0.03, 0.08));
        const std::string noise = take("noise", {{"spray-a", "noise"}, {"spray-b", "noise"}});
        return amplified((noise.empty() ? oscillator("noise") + ".pulse" : noise + ".white"), env + ".out");
    }

    std::mt19937 random_;
    PatchMaker maker_;
    std::string voice_;
    std::string last_;
    std::set<std::pair<std::string, std::string>> taken_;
    std::vector<Track> tracks_;
    std::vector<Lane> lanes_;
};

/// Makes mistakes in copies of one patch.
class Seeder {
  public:
    explicit Seeder(const Patch& sound) : sound_(sound) {}

    std::vector<Seeded> all() {
        for (const Cable& cable : sound_.cables) atCable(cable);
        for (const Post& post : sound_.posts) atPost(post);
        return std::move(out_);
    }

  private:
    const Library& library() const { return workspace().library; }
    [[nodiscard]] const PartInfo& part(const std::string& post) const { return *library().part(*sound_.post(post)); }
    [[nodiscard]] bool is(const std::string& post, const char* type) const { return part(post).has(type); }
    [[nodiscard]] bool isAmp(const std::string& post) const {
        return is(post, "vca") || is(post, "vca-bank") || is(post, "low-pass-gate");
    }
    [[nodiscard]] const Cable* from(const std::string& post) const {
        const auto it = std::ranges::find_if(sound_.cables, [&](const Cable& c) { return c.from.post == post; });
        return it == sound_.cables.end() ? nullptr : &*it;
    }

    void add(const std::string& name, const char* sort, const std::function<void(Patch&)>& change,
             std::set<std::string> rules, std::set<std::string> posts) {
        Patch patch = sound_;
        change(patch);
        auto checked = checkPatch(std::move(patch), library());
        if (!checked) throw std::runtime_error(name + ": " + checked.error().text());
        out_.push_back({name, sort, std::move(*checked), std::move(rules), std::move(posts)});
    }
    static Cable& cableOf(Patch& patch, int id) { return *std::ranges::find(patch.cables, id, &Cable::id); }
    static void untie(Patch& patch, int id) {
        std::erase_if(patch.cables, [&](const Cable& cable) { return cable.id == id; });
    }
    static void turn(Patch& patch, const std::string& post, const std::string& knob, double value) {
        std::ranges::find(patch.posts, post, &Post::id)->knobs[knob] = value;
    }
    /// Another part is put into a cable.
    static void put(Patch& patch, int id, const char* slot, const char* part, const char* in, const char* out) {
        const Slot* seat = workspace().cases.at("tower-case").slot(slot);
        patch.posts.push_back({"put-in", "put-in", slot, seat->module, part, {}, {}, {}});
        const JackRef to = cableOf(patch, id).to;
        cableOf(patch, id).to = {"put-in", in};
        patch.cables.push_back({patch.freshCableId(), {"put-in", out}, to, {}, {}, {}, 0, {}, {}});
    }

    void atCable(const Cable& cable) {
        const std::string a = cable.from.post;
        const std::string b = cable.to.post;
        const std::string what = fmt::format("{} > {}", cable.from.text(), cable.to.text());
        const JackInfo& jack = *library().jack(sound_, cable.to);
        const int id = cable.id;
        const std::set<std::string> silent = {"no-sound", "closed", "no-path", "zero-attenuator"};
        const std::set<std::string> ends = {a, b};
        const bool sole =
            std::ranges::count(sound_.cables, cable.from.post, [](const Cable& c) { return c.from.post; }) == 1;
        if (b == "tracks" && cable.to.jack == "clock") {
            add(
                "untie " + what, "silent", [&](Patch& p) { untie(p, id); }, silent, ends);
            add(
                "clock in reset: " + what, "silent",
                [&](Patch& p) {
                    std::erase_if(p.cables, [](const Cable& c) { return c.to == JackRef{"tracks", "reset"}; });
                    cableOf(p, id).to.jack = "reset";
                },
                silent, ends);
        }
        if (b == "tracks" && cable.to.jack == "reset")
            add("reset at every step: " + what, "other",
                [&](Patch& p) {
                    cableOf(p, id).from = {"clock", "sixteenths"};
                },
                {"reset-always", "no-tune"}, {"tracks"});
        const bool track = a == "tracks" && cable.from.jack.starts_with("gate");
        const bool lane = a == "tracks" && cable.from.jack.starts_with("drum");
        if (is(b, "contour")) {
            if (!library().jack(sound_, cable.to)->normal)
                add(
                    "untie " + what, "silent", [&](Patch& p) { untie(p, id); }, silent, ends);
            if (track) {
                add(
                    "unwritten gate: " + what, "silent", [&](Patch& p) { cableOf(p, id).from.jack = "gate-4"; }, silent,
                    ends);
                add(
                    "accent as gate: " + what, "silent",
                    [&](Patch& p) { cableOf(p, id).from.jack = fmt::format("accent-{}", cable.from.jack.back()); },
                    silent, ends);
                add(
                    "velocity as gate: " + what, "stuck",
                    [&](Patch& p) { cableOf(p, id).from.jack = fmt::format("velocity-{}", cable.from.jack.back()); },
                    {"drone", "gate-stuck", "wrong-jack"}, ends);
                add(
                    "pitch as gate: " + what, "silent",
                    [&](Patch& p) { cableOf(p, id).from.jack = fmt::format("pitch-{}", cable.from.jack.back()); },
                    {"wrong-jack", "no-sound", "drone", "gate-stuck"}, ends);
            }
            if (lane)
                add(
                    "silent lane: " + what, "silent", [&](Patch& p) { cableOf(p, id).from.jack = "drum-8"; }, silent,
                    ends);
            add("gate turned down: " + what, "silent",
                [&](Patch& p) {
                    put(p, id, "cargo-d", "4", "in", "out");
                    turn(p, "put-in", "amount", 15);
                },
                {"pulse-missed", "no-sound"}, {a, b, "put-in"});
            add("stuck gate: " + what, "stuck",
                [&](Patch& p) {
                    put(p, id, "cargo-d", "4", "in", "out");
                    turn(p, "put-in", "amount", 100);
                    turn(p, "put-in", "offset", 5);
                },
                {"drone", "gate-stuck"}, {a, b, "put-in"});
        }
        if (isAmp(b)) {
            const bool cv = cable.to.jack.find("cv") != std::string::npos;
            add(
                "untie " + what, "silent", [&](Patch& p) { untie(p, id); }, silent, ends);
            if (cv) {
                const std::string amount = is(b, "vca") ? "lin-amount" : is(b, "vca-bank") ? "amount-1" : "amount";
                const std::string offset = is(b, "vca-bank") ? "level-1" : "offset";
                add(
                    "cv at nothing: " + what, "silent", [&](Patch& p) { turn(p, b, amount, 0); }, silent, ends);
                add(
                    "left open: " + b, "stuck", [&](Patch& p) { turn(p, b, offset, 60); }, {"drone"}, ends);
                add("opened by a constant: " + what, "stuck",
                    [&](Patch& p) {
                        put(p, id, "cargo-d", "4", "in", "out");
                        std::erase_if(p.cables, [](const Cable& c) { return c.to == JackRef{"put-in", "in"}; });
                        turn(p, "put-in", "offset", 5);
                    },
                    {"drone"}, {b, "put-in"});
                if (is(a, "contour"))
                    add(
                        "inverted envelope: " + what, "silent",
                        [&](Patch& p) { cableOf(p, id).from.jack = "inverted"; }, silent, ends);
                if (!is(b, "vca")) return;
                add("turned over: " + what, "silent",
                    [&](Patch& p) {
                        put(p, id, "cargo-d", "4", "in", "out");
                        turn(p, "put-in", "amount", -100);
                    },
                    silent, {a, b, "put-in"});
            } else {
                add("past the amplifier: " + what, "stuck",
                    [&](Patch& p) {
                        for (Cable& c : p.cables)
                            if (c.from.post == b) c.from = cable.from;
                        std::erase_if(p.cables, [&](const Cable& c) { return c.to.post == b; });
                    },
                    {"drone"}, {a, b, "mix", "echo", "space", "out"});
            }
        }
        if (jack.kind == SignalKind::Pitch && cable.to.jack == "voct" && is(b, "vco")) {
            const std::set<std::string> pitch = {"pitch-attenuated", "pitch-shifted", "glide-too-slow", "no-tune",
                                                 "wrong-jack"};
            const bool only = std::ranges::count_if(sound_.cables, [&](const Cable& c) {
                                  return c.to.jack == "voct" && c.from == cable.from;
                              }) == 1;
            if (only && sole)
                add(
                    "untie " + what, "mistuned", [&](Patch& p) { untie(p, id); }, pitch, ends);
            if (a == "tracks")
                add(
                    "unwritten tune: " + what, "mistuned", [&](Patch& p) { cableOf(p, id).from.jack = "pitch-4"; },
                    pitch, ends);
            const auto through = [&](const char* name, std::initializer_list<std::pair<const char*, double>> knobs,
                                     bool slow) {
                add(fmt::format("{}: {}", name, what), "mistuned",
                    [&](Patch& p) {
                        put(p, id, slow ? "drag-b" : "cargo-d", slow ? "2" : "4", "in", "out");
                        for (const auto& [knob, value] : knobs) turn(p, "put-in", knob, value);
                    },
                    pitch, {a, b, "put-in"});
            };
            through("tune turned down", {{"amount", 70}}, false);
            through("tune turned over", {{"amount", -100}}, false);
            through("tune shifted", {{"amount", 100}, {"offset", 0.37}}, false);
            through("tune slurred", {{"rise", 9}, {"fall", 9}}, true);
            if (only && sole)
                add(
                    "tune in fm: " + what, "mistuned", [&](Patch& p) { cableOf(p, id).to.jack = "fm"; }, pitch, ends);
            if (a == "tracks") {
                const auto gate = std::ranges::find_if(sound_.cables, [&](const Cable& c) {
                    return c.from.post == "tracks" && c.from.jack == fmt::format("gate-{}", cable.from.jack.back());
                });
                if (gate != sound_.cables.end())
                    add("gate and pitch swapped: " + what, "mistuned",
                        [&, gate](Patch& p) { std::swap(cableOf(p, id).from, cableOf(p, gate->id).from); },
                        {"wrong-jack", "no-tune", "drone", "gate-stuck", "no-sound"}, {a, b, gate->to.post});
            }
        }
        if (b == "mix" || b == "out" || b == "echo" || b == "space")
            add(
                "untie " + what, "silent", [&](Patch& p) { untie(p, id); }, silent, ends);
        if ((is(b, "svf") || is(b, "ladder") || is(b, "wavefolder")) && cable.to.jack.starts_with("in")) {
            add(
                "untie " + what, "silent", [&](Patch& p) { untie(p, id); }, silent, ends);
            if (is(b, "svf") && !sound_.cableInto({b, "cv-2"}))
                add(
                    "wrong input: " + what, "silent", [&](Patch& p) { cableOf(p, id).to.jack = "cv-2"; },
                    {"no-sound", "closed", "wrong-jack", "zero-attenuator"}, ends);
        }
        if (cable.to.jack == "cv-1" && (is(b, "svf") || is(b, "ladder")))
            add(
                "modulation at nothing: " + what, "other", [&](Patch& p) { turn(p, b, "amount-1", 0); },
                {"zero-attenuator"}, ends);
        if (b == "out")
            add("offset at the way out: " + what, "other",
                [&](Patch& p) {
                    put(p, id, "cargo-d", "4", "in", "out");
                    turn(p, "put-in", "amount", 100);
                    turn(p, "put-in", "offset", 3);
                },
                {"dc-out"}, {a, b, "put-in"});
    }

    void atPost(const Post& post) {
        const std::string& id = post.id;
        const std::set<std::string> silent = {"no-sound", "closed", "no-path", "zero-attenuator"};
        if (id == "out") add("way out shut", "silent", [&](Patch& p) { turn(p, id, "level", -60); }, silent, {id});
        if (id == "mix") {
            for (const Cable& cable : sound_.cables) {
                if (cable.to.post != id) continue;
                const char channel = cable.to.jack.back();
                add(fmt::format("channel {} at nothing", channel), "silent",
                    [&](Patch& p) { turn(p, id, fmt::format("level-{}", channel), 0); }, silent, {id, cable.from.post});
                if (is(id, "stereo-mixer"))
                    add(fmt::format("channel {} muted", channel), "silent",
                        [&](Patch& p) { turn(p, id, fmt::format("mute-{}", channel), 1); }, silent,
                        {id, cable.from.post});
                else
                    add(fmt::format("channel {} far too loud", channel), "other",
                        [&](Patch& p) {
                            for (int c = 1; c <= 4; ++c) turn(p, id, fmt::format("level-{}", c), 100);
                            put(p, cable.id, "shoal", "drive", "in", "out");
                            turn(p, "put-in", "gain", 30);
                        },
                        {"sum-clips", "hot-line", "noise-raised"}, {id, "put-in", cable.from.post, "out"});
            }
            if (!is(id, "stereo-mixer"))
                add("sum at nothing", "silent", [&](Patch& p) { turn(p, id, "main", 0); }, silent, {id});
        }
        if ((is(id, "svf") || is(id, "ladder")))
            add("filter shut: " + id, "silent",
                [&](Patch& p) {
                    turn(p, id, "cutoff", 16);
                    turn(p, id, "amount-1", 0);
                    turn(p, id, "amount-2", 0);
                    std::erase_if(p.cables,
                                  [&](const Cable& c) { return c.to.post == id && c.to.jack.starts_with("cv"); });
                },
                {"closed", "no-sound", "zero-attenuator"}, {id});
        if (id == "tracks") {
            add("nothing written", "silent", [&](Patch& p) { p.patterns.clear(); }, silent, {id});
        }
        if (id == "echo") {
            add("echo frozen", "stuck", [&](Patch& p) { turn(p, id, "freeze", 1); },
                {"no-sound", "closed", "drone", "frozen"}, {id});
            add("echo feeds back", "stuck",
                [&](Patch& p) {
                    turn(p, id, "feedback", 110);
                    turn(p, id, "mix", 60);
                },
                {"drone", "loop-gain"}, {id});
        }
        if (is(id, "contour")) {
            const bool adsr = !post.knobs.contains("type");
            if (adsr)
                add("attack too slow: " + id, "other", [&](Patch& p) { turn(p, id, "attack", 3); },
                    {"sustain-not-reached", "closed", "no-sound"}, {id});
            add("release too long: " + id, "other", [&](Patch& p) { turn(p, id, adsr ? "release" : "decay", 15); },
                {"tail-runs-on", "drone"}, {id, from(id) ? from(id)->to.post : id});
        }
    }

    const Patch sound_;
    std::vector<Seeded> out_;
};

} // namespace

Patch soundPatch(std::uint32_t seed) {
    return Grower(seed).grow();
}

std::vector<Seeded> mistakesIn(const Patch& sound, std::uint32_t seed) {
    std::vector<Seeded> all = Seeder(sound).all();
    std::shuffle(all.begin(), all.end(), std::mt19937(seed));
    return all;
}

const Finding* explanation(const std::vector<Finding>& findings, const Seeded& seeded) {
    const Finding* without = nullptr;
    for (const Finding& finding : findings) {
        if (!seeded.rules.contains(finding.rule) || finding.severity == Severity::Note) continue;
        const Cable* cable = seeded.patch.cable(finding.cable);
        if (seeded.posts.contains(finding.post) ||
            (cable && (seeded.posts.contains(cable->from.post) || seeded.posts.contains(cable->to.post)))) {
            if (!finding.fixes.empty()) return &finding;
            without = without ? without : &finding;
        }
    }
    return without;
}

} // namespace lariat::test
