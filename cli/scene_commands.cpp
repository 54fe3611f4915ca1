// scenes, scales and reckon: a performance in words, and what is worked out beside it.
#include "cli/commands.h"
#include "library/check.h"
#include "library/own_scales.h"
#include "model/edit.h"
#include "model/file.h"
#include "timing/reckon.h"
#include "timing/scenes.h"
#include "units/key.h"
#include "units/pitch.h"

#include <iostream>
#include <sstream>

#include <CLI/CLI.hpp>
#include <fmt/format.h>

namespace lariat::cli {

void addScenes(CLI::App& app, Context& context) {
    struct Options : Destination {
        std::filesystem::path words;
        std::string chain;
        std::string post;
        int bars = 4;
    };
    auto options = std::make_shared<Options>();
    auto* command =
        app.add_subcommand("scenes", "Show the scenes of a patch in words, or write them; say what hands cannot play");
    giveExamples(*command, "  lariat-cli scenes data/demo/night-watch.json > scenes.txt\n"
                           "  lariat-cli scenes mine.json --words scenes.txt --in-place\n"
                           "  lariat-cli scenes mine.json --chain \"A A B4 C2x2\" --in-place");
    command->add_option("patch", options->file, "Patch file")->required();
    command->add_option("--words", options->words, "A text file: \"Intro: 8 bars\", knobs, and moves below it")
        ->check(CLI::ExistingFile);
    command->add_option("--chain", options->chain, "Variations one after another, added as scenes: \"A A B4 C2x2\"");
    command->add_option("--post", options->post, "The sequencer that is chained; needed where there are several");
    command->add_option("--bars", options->bars, "Bars of a variation without a figure")->check(CLI::Range(1, 256));
    options->addOptions(*command);
    command->callback([options, &context] {
        const Workspace workspace = context.workspace();
        Patch patch = need(openPatch(options->file, workspace.library));
        if (!options->chain.empty()) {
            const Sequencer sequencer = sequencerNamed(patch, workspace.library, options->post);
            auto scenes = patch.scenes;
            for (Scene& scene :
                 need(chainedVariations(options->chain, patch, workspace.library, sequencer.post, options->bars)))
                scenes.push_back(std::move(scene));
            patch = need(applyEdit(patch, SetScenes{std::move(scenes)}));
            options->write(patch);
        }
        if (!options->words.empty()) {
            auto scenes = readScenes(need(readFile(options->words)), patch, workspace.library);
            if (!scenes) scenes.error().file = options->words.string();
            patch = need(applyEdit(patch, SetScenes{need(std::move(scenes))}));
            options->write(patch);
        }
        const auto warnings = checkScenes(patch, workspace.library, workspace.housing(patch));
        if (context.json) {
            Json scenes = Json::array();
            double start = 0.0;
            for (const Scene& scene : patch.scenes) {
                scenes.push_back({{"name", scene.name},
                                  {"bars", scene.bars},
                                  {"repeats", scene.repeats},
                                  {"start", start},
                                  {"moves", scene.moves.size()}});
                start += scene.beats();
            }
            Json said = Json::array();
            for (const SceneWarning& warning : warnings)
                said.push_back({{"scene", warning.scene + 1}, {"beat", warning.beat}, {"text", warning.text.str()}});
            std::cout << dump({{"scenes", scenes}, {"beats", start}, {"warnings", said}});
            return;
        }
        fmt::print("{}", writeScenes(patch.scenes, patch, workspace.library));
        for (const SceneWarning& warning : warnings) fmt::print("# {}\n", warning.text.str());
    });
}

void addScales(CLI::App& app, Context& context) {
    struct Options {
        std::string name;
        std::string notes;
    };
    auto options = std::make_shared<Options>();
    auto* command = app.add_subcommand("scales", "The scales of quantizers, and those that you keep of your own");
    giveExamples(*command, "  lariat-cli scales\n"
                           "  lariat-cli scales --save \"harbour\" --notes \"d f g a c\"");
    auto* name = command->add_option("--save", options->name, "Keep a scale under this name");
    command->add_option("--notes", options->notes, "Its notes, the root first")->needs(name);
    name->needs(command->get_option("--notes"));
    command->callback([options, &context] {
        const std::filesystem::path folder = ownDataFolder();
        if (!options->name.empty()) {
            unsigned mask = 0;
            std::optional<int> root;
            std::istringstream words(options->notes);
            for (std::string word; words >> word;) {
                const auto note = parseNote(word.find_first_of("0123456789") == std::string::npos ? word + "4" : word);
                if (!note) refuse(fmt::format("\"{}\" is no note; write d, f#, Bb", word));
                if (!root) root = *note;
                mask |= 1u << ((*note - *root) % 12 + 12) % 12;
            }
            if (!root) refuse("name at least one note, the root");
            need(saveScale(folder, {options->name, mask}));
        }
        const auto degrees = [](unsigned mask) {
            std::string out;
            for (int n = 0; n < 12; ++n)
                if (mask & (1u << n)) out += fmt::format("{}{}", out.empty() ? "" : " ", n);
            return out;
        };
        Json all = Json::array();
        const auto tell = [&](const std::string& scale, unsigned mask, bool own) {
            if (context.json)
                all.push_back({{"name", scale}, {"semitones", degrees(mask)}, {"own", own}});
            else
                fmt::print("{:<18} {}{}\n", scale, degrees(mask), own ? "  (own)" : "");
        };
        for (const NamedScale& scale : kNamedScales) tell(scale.name, scale.mask, false);
        for (const OwnScale& scale : ownScales(folder)) tell(scale.name, scale.mask, true);
        if (context.json) std::cout << dump(all);
    });
}

void addReckon(CLI::App& app, Context& context) {
    struct Options {
        std::vector<std::string> words;
        ReckonContext how;
    };
    auto options = std::make_shared<Options>();
    auto* command =
        app.add_subcommand("reckon", "Work out tempos, times, pitches, intervals, attenuators, levels, lengths");
    giveExamples(*command, "  lariat-cli reckon 112 bpm\n"
                           "  lariat-cli reckon d4 / 4 5 6\n"
                           "  lariat-cli reckon \"7 st from 5 v\"\n"
                           "  lariat-cli reckon 5 7 16 --tempo 108");
    command->add_option("line", options->words, "What is to be reckoned")->required();
    command->add_option("--tempo", options->how.tempo, "Beats per minute")->check(CLI::Range(1.0, 1000.0));
    command->add_option("--rate", options->how.rate, "Samples a second")->check(CLI::Range(8000.0, 384000.0));
    command->callback([options, &context] {
        Json all = Json::array();
        for (const Reckoned& one : need(reckon(fmt::format("{}", fmt::join(options->words, " ")), options->how))) {
            if (context.json)
                all.push_back({{"what", one.what.str()}, {"value", one.value}});
            else
                fmt::print("{:<44} {}\n", one.what.str(), one.value);
        }
        if (context.json) std::cout << dump(all);
    });
}

} // namespace lariat::cli
