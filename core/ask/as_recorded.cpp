#include "ask/as_recorded.h"

#include "engine/render.h"
#include "measure/align.h"
#include "model/json.h"
#include "units/level.h"

#include <algorithm>
#include <cmath>
#include <random>
#include <set>

namespace lariat {
namespace {

constexpr double kRate = 48000.0;

/// Numbers that are the same everywhere: the standard says what the engine gives, not what its distributions do.
class Dice {
  public:
    explicit Dice(std::uint32_t seed) : engine_(seed) {}
    /// -1…+1
    double either() { return 2.0 * part() - 1.0; }
    /// 0…1
    double part() { return static_cast<double>(engine_()) / static_cast<double>(std::mt19937::max()); }
    /// Normal, by the sum of twelve.
    double normal() {
        double sum = -6.0;
        for (int i = 0; i < 12; ++i) sum += part();
        return sum;
    }

  private:
    std::mt19937 engine_;
};

bool isPitchInput(const JackInfo& jack) {
    return !jack.output && jack.kind == SignalKind::Pitch;
}

} // namespace

std::string RecordedTruth::json() const {
    Json knobList = Json::array();
    for (const Knob& one : knobs)
        knobList.push_back({{"post", one.post}, {"knob", one.knob}, {"written", one.written}, {"real", one.real}});
    Json modules = Json::object();
    for (const Tracking& one : tracking) modules[one.module] = one.cents;
    return dump({{"knobs", knobList},
                 {"tracking-cents", modules},
                 {"gain-decibels", gain},
                 {"clock-ppm", clock},
                 {"noise-dbfs", noise},
                 {"start-seconds", start},
                 {"inverted", inverted}});
}

Result<AsRecorded> renderAsRecorded(const Patch& patch, const Library& library, std::uint32_t seed,
                                    const AsRecordedOptions& options) {
    Dice dice(seed);
    AsRecorded out;
    out.rate = kRate;
    out.played = patch;
    std::set<std::string> unknown(options.unknown.begin(), options.unknown.end());
    std::set<std::string> met;
    for (Post& post : out.played.posts) {
        const PartInfo& part = *library.part(post);
        for (const KnobInfo& knob : part.knobs) {
            const std::string name = post.id + "." + knob.id;
            const auto marked = post.unknown.find(knob.id);
            const bool nobodyKnows = unknown.contains(name) || marked != post.unknown.end();
            if (unknown.contains(name)) met.insert(name);
            if (knob.momentary || knob.scale.taper == Taper::Switch || !knob.scale.words.empty()) {
                if (unknown.contains(name))
                    return failure(say("{} is a switch; only knobs can be unknown to a recording", name));
                continue;
            }
            if (!nobodyKnows && !post.knobs.contains(knob.id)) continue;
            const double written = knobValue(post, knob);
            const double place = knob.scale.toFraction(written);
            double real = place + options.knobs * dice.either();
            if (nobodyKnows) {
                double low = 0.1;
                double high = 0.9;
                if (marked != post.unknown.end()) {
                    if (marked->second.low) low = knob.scale.toFraction(*marked->second.low);
                    if (marked->second.high) high = knob.scale.toFraction(*marked->second.high);
                }
                real = low + (high - low) * dice.part();
            } else if (place <= 0.0 || place >= 1.0) {
                real = place; // a knob at its end stop stands there
            }
            const double value = knob.scale.toValue(std::clamp(real, 0.0, 1.0));
            post.knobs[knob.id] = value;
            post.unknown.erase(knob.id);
            out.truth.knobs.push_back({post.id, knob.id, written, value});
        }
    }
    for (const std::string& name : unknown)
        if (!met.contains(name)) return failure(say("there is no knob {}", name));

    Library metal = library;
    std::set<std::string> modules;
    for (const Post& post : patch.posts) modules.insert(post.module);
    for (const std::string& id : modules) {
        ModuleInfo module = *metal.module(id);
        const double cents = options.tracking * dice.either();
        bool tracks = false;
        for (PartInfo& part : module.parts)
            for (JackInfo& jack : part.jacks)
                if (isPitchInput(jack)) {
                    jack.scaling.gain /= 1.0 + cents / 1200.0;
                    tracks = true;
                }
        if (!tracks) continue;
        out.truth.tracking.push_back({id, cents});
        metal.add(std::move(module));
    }

    RenderOptions render;
    render.seconds = options.seconds;
    render.fileRate = kRate;
    render.realCase = true;
    render.progress = options.progress;
    auto made = lariat::render(out.played, metal, render);
    if (!made) return tl::unexpected(made.error());

    RecordedTruth& truth = out.truth;
    truth.gain = options.gain * dice.either();
    truth.clock = options.clock * dice.either();
    truth.noise = options.noise;
    truth.start = options.start * dice.part();
    truth.inverted = options.polarity && dice.part() < 0.5;
    const double ratio = 1.0 + 1e-6 * truth.clock;
    const auto gain = static_cast<float>((truth.inverted ? -1.0 : 1.0) * toRatio({truth.gain}));
    const auto noise = static_cast<float>(toRatio({truth.noise}));
    const auto begin = static_cast<std::size_t>(truth.start * kRate);
    truth.start = static_cast<double>(begin) / kRate;
    const std::size_t frames = made->mix.size() / 2;
    std::vector<float> sides[2];
    for (std::size_t side = 0; side < 2; ++side) {
        std::vector<float> one(frames);
        for (std::size_t i = 0; i < frames; ++i) one[i] = made->mix[2 * i + side];
        // A clock that runs fast takes more samples of the same time.
        const auto length = static_cast<std::size_t>(std::floor(static_cast<double>(frames) * ratio));
        sides[side] = aligned(one, kRate, {0.0, false, 1.0, 1e6 * (1.0 / ratio - 1.0), 1.0}, length);
    }
    out.mix.reserve(2 * (begin + sides[0].size()));
    for (std::size_t i = 0; i < begin + sides[0].size(); ++i)
        for (const std::vector<float>& side : sides)
            out.mix.push_back((i < begin ? 0.0f : gain * side[i - begin]) + noise * static_cast<float>(dice.normal()));
    return out;
}

} // namespace lariat
