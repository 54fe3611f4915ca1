// render and measure: sound and figures.
#include "ask/as_recorded.h"
#include "cli/commands.h"
#include "engine/automation.h"
#include "library/check.h"
#include "measure/measure.h"
#include "measure/pitch_track.h"
#include "model/audio_file.h"
#include "model/file.h"
#include "timing/to_files.h"
#include "units/level.h"
#include "units/pitch.h"

#include <chrono>
#include <iostream>

#include <CLI/CLI.hpp>
#include <fmt/format.h>

namespace lariat::cli {
namespace {

struct ProbeRequest {
    JackRef jack;
    std::filesystem::path file;
};

ProbeRequest readProbe(const std::string& text) {
    const auto equals = text.find('=');
    if (equals == std::string::npos)
        throw Failed{{{}, {}, say("the probe \"{}\" should be written post.jack=file.wav", text)}};
    return {readJack(text.substr(0, equals)), text.substr(equals + 1)};
}

/// Level of one line in words: peak in volts and dBFS, RMS, DC.
std::string levelText(const LevelReading& level) {
    if (level.peak().value < 1e-9) return "silent";
    return fmt::format("peak {:.2f} V ({:.1f} dBFS), RMS {:.2f} V, DC {:+.3f} V", level.peak().value,
                       toDbfs(level.peak()).value, level.rms.value, level.mean.value);
}

Json levelJson(const LevelReading& level) {
    return {{"peak-volts", level.peak().value}, {"rms-volts", level.rms.value}, {"dc-volts", level.mean.value}};
}

} // namespace

Workspace Context::workspace() const {
    Workspace out = loadWorkspace(data.empty() ? dataFolder() : data, ownDataFolder());
    for (const Error& error : out.errors) std::cerr << "lariat-cli: left out: " << error.text() << '\n';
    return out;
}

Functions Context::functions() const {
    return need(Functions::load((data.empty() ? dataFolder() : data) / "functions.json"));
}

void addRender(CLI::App& app, Context& context) {
    struct Options {
        std::filesystem::path file;
        std::filesystem::path out;
        std::vector<std::string> probes;
        double seconds = 8.0;
        double rate = 48000.0;
        double engineRate = 96000.0;
        int bits = 32;
        long long seed = -1;
        bool realCase = false;
        bool scenes = false;
        std::filesystem::path stems;
        int untilRow = 0;
        std::vector<int> silenced;
        long long asRecorded = -1;
        std::vector<std::string> lost;
        std::filesystem::path truth;
    };
    auto options = std::make_shared<Options>();
    auto* command = app.add_subcommand("render", "Render a patch to sound files");
    giveExamples(*command,
                 "  lariat-cli render data/demo/lamp.json --out lamp.wav --probe osc-a.saw=saw.wav\n"
                 "  lariat-cli render data/demo/bell-buoy.json --out bell.wav --real-case --seconds 20\n"
                 "  lariat-cli render data/demo/night-watch.json --out night.wav --scenes --stems stems\n"
                 "  lariat-cli render data/demo/kick.json --as-recorded 3 --lost level-a.decay --out kick.wav "
                 "--truth truth.json");
    command->add_option("patch", options->file, "Patch file")->required();
    command->add_option("--out", options->out, "WAV or FLAC file for the mix, ±1 is 0 dBFS")->check(notEmpty);
    command->add_option("--probe", options->probes,
                        "post.jack=file.wav, an output or an input, recorded in volts at the engine's rate");
    auto* length = command->add_option("--seconds", options->seconds, "Length");
    length->check(CLI::Range(0.001, 3600.0))->capture_default_str();
    command->add_option("--rate", options->rate, "Rate of the mix in Hz")
        ->check(CLI::Range(8000.0, 192000.0))
        ->capture_default_str();
    auto* bits = command->add_option("--bits", options->bits,
                                     "Bits a sample: 16 and 24 with dither, 32 in floating point; "
                                     "default: 32, for FLAC 24");
    bits->check(CLI::IsMember({16, 24, 32}));
    command->add_option("--engine-rate", options->engineRate, "Rate of the simulation in Hz")
        ->check(CLI::IsMember({48000.0, 96000.0, 192000.0}))
        ->capture_default_str();
    command->add_option("--seed", options->seed, "Seed of everything random; default: the patch's own")
        ->check(CLI::Range(0LL, 0x7fffffffLL));
    command->add_flag("--scenes", options->scenes, "Knobs follow the scenes; without --seconds the whole song");
    command->add_option("--stems", options->stems,
                        "A folder for one file of each voice, as it leaves for what all share");
    command->add_flag("--real-case", options->realCase, "With what the metal adds: sag, noise, thresholds, drift");
    command->add_option("--until-row", options->untilRow, "The patch as it was after so many rows")
        ->check(CLI::NonNegativeNumber);
    command->add_option("--silence", options->silenced, "Rows that stay plugged and bring nothing, as in 3,4")
        ->delimiter(',');
    auto* recorded = command->add_option("--as-recorded", options->asRecorded,
                                         "As a real case would have been recorded: this seed puts errors on knobs, "
                                         "tracking, gain, clock and start, and adds noise");
    recorded->check(CLI::Range(0LL, 0x7fffffffLL));
    command->add_option("--lost", options->lost, "Knobs that then stand anywhere, post.knob,…")
        ->delimiter(',')
        ->needs(recorded);
    command->add_option("--truth", options->truth, "Write what was so seeded, as JSON")
        ->check(notEmpty)
        ->needs(recorded);
    command->callback([options, length, bits, &context] {
        const Workspace workspace = context.workspace();
        Patch patch = need(openPatch(options->file, workspace.library));
        if (options->asRecorded >= 0) {
            if (options->out.empty()) refuse("say where the recording goes, with --out");
            AsRecordedOptions how;
            how.seconds = options->seconds;
            how.unknown = options->lost;
            const AsRecorded made =
                need(renderAsRecorded(patch, workspace.library, static_cast<std::uint32_t>(options->asRecorded), how));
            need(writeWav(options->out, made.mix, 2, made.rate));
            if (!options->truth.empty()) need(writeFile(options->truth, made.truth.json(), FileKind::Text));
            if (context.json)
                std::cout << made.truth.json();
            else
                fmt::print("{:g} s as recorded, seed {}\n", options->seconds, options->asRecorded);
            return;
        }
        RenderOptions render;
        if (options->scenes && patch.scenes.empty())
            throw Failed{Error{options->file.string(), "scenes",
                               say("there are none to follow; write some with lariat-cli scenes")}};
        constexpr double kRing = 4.0; // seconds for what rings on behind the last bar
        if (options->scenes && length->count() == 0) options->seconds = secondsOf(patch, workspace.library) + kRing;
        for (const int row : options->silenced) {
            if (row < 1 || row > static_cast<int>(patch.cables.size()))
                throw Failed{Error{{}, {}, say("there is no row {}; the patch has {}", row, patch.cables.size())}};
            render.silenced.push_back(patch.cables[static_cast<std::size_t>(row - 1)].id);
        }
        if (options->untilRow > 0 && options->untilRow < static_cast<int>(patch.cables.size()))
            patch.cables.resize(static_cast<std::size_t>(options->untilRow));
        if (options->seed >= 0) patch.seed = static_cast<std::uint32_t>(options->seed);
        render.seconds = options->seconds;
        render.engineRate = options->engineRate;
        render.realCase = options->realCase;
        render.scenes = options->scenes;
        FilesWanted wanted{options->out, options->stems, {options->rate, 2, options->bits}, {}};
        if (bits->count() == 0 && options->out.extension() == ".flac") wanted.format.bits = 24;
        for (const std::string& text : options->probes) {
            const ProbeRequest request = readProbe(text);
            render.probes.push_back(request.jack);
            wanted.probes.push_back(request.file);
        }
        const auto start = std::chrono::steady_clock::now();
        const FilesMade made = need(renderToFiles(patch, workspace.library, render, wanted));
        const double took = std::chrono::duration<double>(std::chrono::steady_clock::now() - start).count();
        const double times = options->seconds / took;
        if (context.json) {
            Json out = levelJson(made.left);
            out["right"] = levelJson(made.right);
            out["seconds"] = options->seconds;
            out["times-real-time"] = times;
            out["faults"] = made.faults;
            for (const std::filesystem::path& stem : made.stems) out["stems"].push_back(stem.string());
            for (std::size_t p = 0; p < render.probes.size(); ++p)
                out["probes"][render.probes[p].text()] = levelJson(made.probes[p]);
            std::cout << dump(out);
        } else {
            fmt::print("{:g} s at {:.0f} times real time\n  left   {}\n  right  {}\n", options->seconds, times,
                       levelText(made.left), levelText(made.right));
            for (const std::filesystem::path& stem : made.stems) fmt::print("  {}\n", stem.string());
            for (std::size_t p = 0; p < render.probes.size(); ++p)
                fmt::print("  {}  {}\n", render.probes[p].text(), levelText(made.probes[p]));
        }
        if (made.faults > 0)
            std::cerr << fmt::format("lariat-cli: {} made something that is not a number and was silenced\n",
                                     made.faultyPost);
    });
}

void addMeasure(CLI::App& app, Context& context) {
    struct Options {
        std::filesystem::path file;
        double from = 0.0;
        double to = 0.0;
    };
    auto options = std::make_shared<Options>();
    auto* command = app.add_subcommand("measure", "Read level, DC, pitch and the strongest partials of a sound file");
    giveExamples(*command, "  lariat-cli measure lamp.wav --from 0.5 --to 1");
    command
        ->add_option("file", options->file,
                     "WAV or FLAC; the first channel is read, in units of the file (volts for probes)")
        ->required();
    command->add_option("--from", options->from, "Start in seconds")->check(CLI::NonNegativeNumber);
    command->add_option("--to", options->to, "End in seconds; default: the end of the file")
        ->check(CLI::NonNegativeNumber);
    command->callback([options, &context] {
        const AudioFile file = need(readAudio(options->file));
        const auto channels = static_cast<std::size_t>(file.channels);
        std::vector<float> first;
        const std::size_t frames = file.samples.size() / channels;
        const auto begin = static_cast<std::size_t>(options->from * file.rate);
        const auto end =
            options->to > 0.0 ? std::min(frames, static_cast<std::size_t>(options->to * file.rate)) : frames;
        for (std::size_t i = begin; i < end; ++i) first.push_back(file.samples[i * channels]);
        if (first.empty()) throw Failed{{options->file.string(), {}, say("holds no samples in that range")}};
        const LevelReading level = measureLevel(first);
        const auto pitch = measureTone(first, file.rate);
        std::vector<float> louder = first; // what a file holds may be quiet; a pitch is not judged by that
        const double peak = level.peak().value;
        for (float& v : louder) v = peak > 0.0 ? static_cast<float>(v / static_cast<float>(peak)) * 5.0f : v;
        const PitchSummary over = pitch ? PitchSummary{} : pitchOf(louder, file.rate);
        const Spectrum spectrum = measureSpectrum(first, file.rate);
        Json partials = Json::array();
        std::string lines;
        const auto strongest = spectrum.strongest(8);
        for (const auto& partial : strongest) {
            partials.push_back({{"hertz", partial.hertz}, {"amplitude", partial.amplitude}});
            lines += fmt::format("  {:9.1f} Hz {:8.1f} dB\n", partial.hertz, toDecibels(partial.amplitude).value);
        }
        if (context.json) {
            Json out = {{"seconds", static_cast<double>(first.size()) / file.rate},
                        {"min", level.min.value},
                        {"max", level.max.value},
                        {"rms", level.rms.value},
                        {"dc", level.mean.value}};
            if (pitch) out["hertz"] = pitch->hertz.value;
            if (pitch) out["note"] = pitchText(pitch->hertz);
            if (over.tail) out["tail-hertz"] = over.steady->value;
            if (over.range) out["moving-hertz"] = {over.range->first.value, over.range->second.value};
            out["partials"] = partials;
            std::cout << dump(out);
        } else {
            fmt::print("{:.3f} s, min {:+.4f}, max {:+.4f}, RMS {:.4f}, DC {:+.5f}\n",
                       static_cast<double>(first.size()) / file.rate, level.min.value, level.max.value, level.rms.value,
                       level.mean.value);
            if (pitch)
                fmt::print("pitch {:.3f} Hz, {}\n", pitch->hertz.value, pitchText(pitch->hertz));
            else if (over.tail)
                fmt::print("pitch of the tail {:.2f} Hz, {}\n", over.steady->value, pitchText(*over.steady));
            else if (over.range)
                fmt::print("moving, {}…{}\n", noteName(nearestNote(over.range->first).note),
                           noteName(nearestNote(over.range->second).note));
            else
                fmt::print("no one pitch\n");
            fmt::print("the strongest partials, 0 dB is an amplitude of 1 of the file's unit\n{}", lines);
        }
    });
}

} // namespace lariat::cli
