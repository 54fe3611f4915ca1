#include "ask/track.h"

#include "engine/graph.h"
#include "engine/render.h"
#include "library/meaning.h"
#include "measure/reading.h"
#include "timing/lines.h"
#include "timing/pattern_edits.h"
#include "units/level.h"

#include <algorithm>
#include <cmath>
#include <deque>
#include <memory>
#include <numeric>
#include <set>

#include <sndfile.h>

namespace lariat {
namespace {

constexpr sf_count_t kPiece = 1 << 16; ///< frames read at a time
constexpr double kLowestRate = 100.0;
constexpr float kLargest = 1e6f; ///< times full scale
constexpr float kStepVolts = 8.0f;

bool isWayOut(const JackRef& jack) {
    return jack.post.empty();
}

float meanOf(std::span<const float> values) {
    return std::accumulate(values.begin(), values.end(), 0.0f) / static_cast<float>(values.size());
}

tl::unexpected<Error> fail(const std::filesystem::path& file, Sentence reason) {
    return tl::unexpected(Error{file.string(), {}, std::move(reason)});
}

} // namespace

std::string trackName(const Patch& patch, const Library& library, const JackRef& jack) {
    if (isWayOut(jack)) return jack.jack == "right" ? "way out, right" : "way out";
    const Post* post = patch.post(jack.post);
    if (!post || !library.jack(patch, jack)) return jack.text();
    return post->name + " " + jackWord(patch, library, jack);
}

Result<std::vector<Trace>> listen(const Patch& patch, const Library& library, const std::vector<JackRef>& jacks,
                                  const ListenOptions& options) {
    Renderer::Settings settings;
    settings.rate = options.rate;
    settings.realCase = options.realCase;
    settings.scenes = options.scenes;
    settings.silenced = options.silenced;
    std::vector<Trace> out;
    std::vector<int> probes; // by track; -1: left, -2: right, -3: nothing is plugged in
    bool mix = false;
    for (const JackRef& jack : jacks) {
        Trace track;
        track.name = trackName(patch, library, jack);
        track.rate = options.rate;
        track.jack = jack;
        if (isWayOut(jack)) {
            mix = true;
            probes.push_back(jack.jack == "right" ? -2 : -1);
        } else {
            const JackInfo* info = library.jack(patch, jack);
            if (!info)
                return failure(
                    say("there is no jack {} in this patch; lariat-cli check --json names them all", jack.text()));
            track.kind = info->kind;
            if (!info->output && feederOf(patch, library, jack).post.empty()) {
                probes.push_back(-3);
            } else {
                const auto known = std::ranges::find(settings.probes, jack);
                probes.push_back(static_cast<int>(known - settings.probes.begin()));
                if (known == settings.probes.end()) settings.probes.push_back(jack);
            }
        }
        out.push_back(std::move(track));
    }
    const auto sequencer = options.step ? sequencerOf(patch, library, options.step->line.post) : std::nullopt;
    if (options.step && (!sequencer || std::ranges::find(sequencer->lines, options.step->line, &SequencerLine::at) ==
                                           sequencer->lines.end()))
        return failure(say("{} has no such line of steps", options.step->line.post));
    const Patch heard = mix || options.step ? patch : onlyWhatReaches(patch, library, settings.probes);
    auto renderer = Renderer::make(heard, library, settings);
    if (!renderer) return tl::unexpected(renderer.error());
    const auto wanted = static_cast<std::size_t>(options.seconds * options.rate);
    for (Trace& track : out) track.volts.reserve(wanted + kRun);
    Trace atStep;
    const int teller = sequencer ? renderer->schedule().tellerOf(sequencer->post) : -1;
    double done = 0.0;
    const bool ended = renderer->run(options.seconds, [&](const RunView& run) {
        for (std::size_t i = 0; i < out.size(); ++i) {
            std::vector<float>& volts = out[i].volts;
            if (probes[i] == -1)
                volts.insert(volts.end(), run.left.begin(), run.left.end());
            else if (probes[i] == -2)
                volts.insert(volts.end(), run.right.begin(), run.right.end());
            else if (probes[i] == -3)
                volts.resize(volts.size() + kRun, 0.0f);
            else
                volts.insert(volts.end(), run.probes[idx(probes[i])]->volts.begin(),
                             run.probes[idx(probes[i])]->volts.end());
        }
        if (teller >= 0) {
            Told told{};
            renderer->schedule().tell(teller, told);
            const bool there = told[toldAt(*sequencer, options.step->line)] == options.step->step;
            atStep.volts.insert(atStep.volts.end(), kRun, there ? kStepVolts : 0.0f);
        }
        done += kRun / options.rate;
        return !options.progress || options.progress(std::min(1.0, done / options.seconds));
    });
    if (!ended) return failure(say("stopped"));
    if (options.step) {
        atStep.name = fmt::format("{} {}", patch.post(sequencer->post)->name, options.step->step + 1);
        atStep.jack.post = sequencer->post;
        atStep.rate = options.rate;
        atStep.kind = SignalKind::Gate;
        atStep.volts.resize(wanted); // of a line that tells nothing it stays shut
        out.push_back(std::move(atStep));
    }
    for (Trace& track : out) track.volts.resize(std::min(track.volts.size(), wanted));
    return out;
}

Result<Trace> readTrack(const std::filesystem::path& file, const FileOptions& options) {
    std::error_code error;
    if (std::filesystem::exists(file, error) && !std::filesystem::is_regular_file(file, error))
        return fail(file, say("is no file, but a folder, a device or a pipe"));
    SF_INFO info{};
    const std::unique_ptr<SNDFILE, int (*)(SNDFILE*)> handle(sf_open(file.c_str(), SFM_READ, &info), sf_close);
    if (!handle) return fail(file, say("cannot be read as audio: {}", sf_strerror(nullptr)));
    if (info.channels < 1 || info.frames < 1) return fail(file, say("holds no samples"));
    if (options.channel != kAllChannels && (options.channel < 0 || options.channel >= info.channels))
        return fail(file, say("has {} channels; choose one from 1 to {}", info.channels, info.channels));
    const double rate = info.samplerate;
    if (rate < kLowestRate) return fail(file, say("claims {} samples a second, too few to measure anything", rate));
    const auto begin = static_cast<sf_count_t>(options.from * rate);
    if (begin >= info.frames)
        return fail(file, say("is {:.1f} s long; {:.1f} s lie behind its end", static_cast<double>(info.frames) / rate,
                              options.from));
    if (begin > 0 && sf_seek(handle.get(), begin, SEEK_SET) < 0)
        return fail(file, say("cannot be read from {:.1f} s on", options.from));
    const auto wanted = std::min(info.frames - begin, static_cast<sf_count_t>(options.seconds * rate));
    Trace out;
    out.name = file.filename().string();
    out.rate = rate;
    out.channels = info.channels;
    out.volts.reserve(static_cast<std::size_t>(std::min<sf_count_t>(wanted, 1 << 24)));
    std::vector<float> piece(static_cast<std::size_t>(kPiece * info.channels));
    const auto step = static_cast<std::size_t>(info.channels);
    for (sf_count_t left = wanted; left > 0;) {
        const sf_count_t read = sf_readf_float(handle.get(), piece.data(), std::min(left, kPiece));
        if (read <= 0)
            return fail(file, say("claims {} samples and holds {}; it was cut short", info.frames,
                                  begin + static_cast<sf_count_t>(out.volts.size())));
        for (std::size_t i = 0; i < static_cast<std::size_t>(read); ++i) {
            const float value = options.channel == kAllChannels
                                    ? meanOf(std::span<const float>(piece).subspan(i * step, step))
                                    : piece[i * step + static_cast<std::size_t>(options.channel)];
            if (!(std::abs(value) < kLargest)) // a number that is no sound is none either
                return fail(file, say("sample {} is not a number; cut the recording there, or write it anew",
                                      begin + static_cast<sf_count_t>(out.volts.size())));
            out.volts.push_back(value * static_cast<float>(options.voltsAtFull));
        }
        left -= read;
        if (options.progress && !options.progress(1.0 - static_cast<double>(left) / static_cast<double>(wanted)))
            return failure(say("stopped"));
    }
    if (out.volts.empty()) return fail(file, say("holds no samples"));
    return out;
}

std::optional<JackRef> leaderOf(const Patch& patch, const Library& library, const JackRef& output) {
    const PitchSource source = pitchSource(patch, library, output);
    if (!source.restarts || source.output.post.empty() || source.output == output) return std::nullopt;
    return source.output;
}

std::optional<JackRef> gateBehind(const Patch& patch, const Library& library, const JackRef& output) {
    std::set<std::string> seen{output.post};
    std::deque<std::string> open{output.post};
    while (!open.empty()) {
        const std::string at = open.front();
        open.pop_front();
        const Post* post = patch.post(at);
        const PartInfo* part = post ? library.part(*post) : nullptr;
        if (!part) continue;
        for (const JackInfo& jack : part->jacks) {
            if (jack.output) continue;
            const JackRef from = feederOf(patch, library, {at, jack.id});
            const JackInfo* feeds = from.post.empty() ? nullptr : library.jack(patch, from);
            if (!feeds) continue;
            if (feeds->kind == SignalKind::Gate && jack.kind == SignalKind::Gate) return from;
            if (seen.insert(from.post).second) open.push_back(from.post);
        }
    }
    return std::nullopt;
}

} // namespace lariat
