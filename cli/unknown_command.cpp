// unknown: which knobs of a patch nobody wrote down, and which one's place would tell most.
#include "cli/commands.h"
#include "library/check.h"
#include "plan/telling.h"

#include <iostream>

#include <CLI/CLI.hpp>
#include <fmt/format.h>

namespace lariat::cli {

void addUnknown(CLI::App& app, Context& context) {
    struct Options {
        std::filesystem::path patch;
        bool ask = false;
    };
    auto options = std::make_shared<Options>();
    auto* command = app.add_subcommand(
        "unknown", "Knobs and switches that nobody wrote down; tie marks them: \"filter res unknown\"");
    giveExamples(*command, "  lariat-cli tie data/demo/lamp.json \"filter resonance unknown\" --out lamp-2.json\n"
                           "  lariat-cli unknown lamp-2.json --ask");
    command->add_option("patch", options->patch, "Patch file")->required();
    command->add_flag("--ask", options->ask, "Run the patch with each at both ends: which one's place would tell most");
    command->callback([options, &context] {
        const Workspace workspace = context.workspace();
        const Patch patch = need(openPatch(options->patch, workspace.library));
        std::vector<Telling> all;
        if (options->ask)
            all = need(whatTellsMost(patch, workspace.library));
        else
            for (const UnknownKnob& one : unknownsOf(patch, workspace.library)) all.push_back({one, 0.0});
        const int knobs = knobCount(patch, workspace.library);
        Json list = Json::array();
        if (!context.json) fmt::print("{} of {} knobs unknown\n", all.size(), knobs);
        for (const Telling& one : all) {
            const Post& post = *patch.post(one.unknown.post);
            const KnobInfo& knob = *workspace.library.part(post)->knob(one.unknown.knob);
            const std::string text = unknownText(one.unknown, knob).str();
            list.push_back({{"post", one.unknown.post},
                            {"knob", one.unknown.knob},
                            {"from", one.unknown.low},
                            {"to", one.unknown.high},
                            {"tried-at", one.unknown.guess},
                            {"text", text}});
            if (options->ask) list.back()["tells"] = one.decibels;
            if (context.json) continue;
            fmt::print("  {}, {}: {}{}\n", post.name, knob.name, text,
                       options->ask ? fmt::format("; its ends are {:.1f} dB apart", one.decibels) : std::string());
        }
        if (context.json) std::cout << dump({{"knobs", knobs}, {"unknown", list}});
    });
}

} // namespace lariat::cli
