// unknown: what of a patch nobody wrote down, and which knob's place would tell most.
#include "building/nobody_knows.h"
#include "cli/commands.h"
#include "library/check.h"
#include "library/unknowns.h"
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
        "unknown",
        "Knobs, steps, ends of cables and parts that nobody wrote down; tie marks them: \"filter res unknown\", "
        "\"osc a saw to ?\", \"unknown part grey box\"");
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
        const UnknownCount count = countUnknown(patch, workspace.library);
        Json ends = Json::array();
        for (const OpenEnd& end : patch.openEnds)
            ends.push_back({{"at", end.at.text()}, {"output", end.output}, {"written", end.written}});
        Json parts = Json::array();
        for (const Post& post : patch.posts)
            if (isUnknownPart(post)) parts.push_back(post.name);
        if (context.json) {
            std::cout << dump(
                {{"knobs", knobs}, {"unknown", list}, {"steps", count.steps}, {"open-ends", ends}, {"parts", parts}});
            return;
        }
        for (const OpenEnd& end : patch.openEnds) fmt::print("{}\n", openEndText(end, patch, workspace.library).str());
        for (const Post& post : patch.posts)
            if (isUnknownPart(post)) fmt::print("nobody knows what {} is\n", post.name);
        if (count.steps > 0) fmt::print("{} steps unknown\n", count.steps);
    });
}

} // namespace lariat::cli
