// build: the moves by which a patch grows, without a window.
#include "building/capacity.h"
#include "building/insert.h"
#include "building/morph.h"
#include "building/path.h"
#include "building/split.h"
#include "building/voice.h"
#include "cli/commands.h"
#include "findings/finding.h"
#include "library/check.h"
#include "library/tie.h"
#include "model/file.h"

#include <algorithm>
#include <iostream>

#include <CLI/CLI.hpp>
#include <fmt/format.h>

namespace lariat::cli {
namespace {

using Target = Destination;

void addTarget(CLI::App& command, Target& target) {
    command.add_option("patch", target.file, "Patch file")->required();
    target.addOptions(command);
}

void write(const Target& target, const Result<Patch>& patch) {
    target.write(need(patch));
}

int cableOfRow(const Patch& patch, int row) {
    if (row < 1 || row > static_cast<int>(patch.cables.size()))
        refuse(fmt::format("there is no row {}; the patch has {}", row, patch.cables.size()));
    return patch.cables[static_cast<std::size_t>(row - 1)].id;
}

void addFree(CLI::App& build, Context& context) {
    auto target = std::make_shared<Target>();
    auto* command = build.add_subcommand("free", "What the case of a patch has left, by function");
    giveExamples(*command, "  lariat-cli build free data/demo/lamp.json");
    command->add_option("patch", target->file, "Patch file")->required();
    command->callback([target, &context] {
        const Workspace workspace = context.workspace();
        const Patch patch = need(openPatch(target->file, workspace.library));
        Json all = Json::array();
        for (const Capacity& one : capacity(patch, workspace.library, workspace.housing(patch))) {
            if (context.json)
                all.push_back({{"block", one.type->id}, {"free", one.free}, {"total", one.total}});
            else
                fmt::print("{:>3} of {:<3} {}\n", one.free, one.total, one.type->name);
        }
        if (context.json) std::cout << dump(all);
    });
}

void addInsert(CLI::App& build, Context& context) {
    struct Options : Target {
        int row = 0;
        std::string what;
    };
    auto options = std::make_shared<Options>();
    auto* command = build.add_subcommand("insert", "Put a post, or a free part with such a block, into a cable");
    giveExamples(*command, "  lariat-cli build insert --help");
    addTarget(*command, *options);
    command->add_option("--row", options->row, "Row of the cable")->required();
    command->add_option("--what", options->what, "Id of a post of the patch, or of a block such as svf")->required();
    command->callback([options, &context] {
        const Workspace workspace = context.workspace();
        const Patch patch = need(openPatch(options->file, workspace.library));
        const int cable = cableOfRow(patch, options->row);
        Post post;
        if (const Post* there = patch.post(options->what)) {
            post = *there;
        } else {
            const auto free = freeParts(patch, workspace.library, workspace.housing(patch), options->what);
            if (free.empty())
                refuse(fmt::format(
                    "\"{}\" is no post here, and the case has no such block left; \"build free\" lists what "
                    "it has",
                    options->what));
            post = postFor(patch, free.front(), patch.cable(cable)->voice);
        }
        const auto edits = need(insertInto(patch, workspace.library, cable, post));
        write(*options, applyEdits(patch, edits));
        if (!context.json) fmt::print("{} stands in row {} and the next one\n", post.name, options->row);
    });
}

void addSplit(CLI::App& build, Context& context) {
    struct Options : Target {
        std::string from;
        std::string to;
        int way = 0;
    };
    auto options = std::make_shared<Options>();
    auto* command = build.add_subcommand("split", "Bring an output to one more input; without --way, list the ways");
    giveExamples(*command, "  lariat-cli build split data/demo/lamp.json --from lfo.sine --to osc-a.pwm");
    addTarget(*command, *options);
    command->add_option("--from", options->from, "Output, post.jack")->required();
    command->add_option("--to", options->to, "Input, post.jack")->required();
    command->add_option("--way", options->way, "Number of a way in the list");
    command->callback([options, &context] {
        const Workspace workspace = context.workspace();
        const Patch patch = need(openPatch(options->file, workspace.library));
        const auto ways = waysToSplit(patch, workspace.library, workspace.housing(patch), readJack(options->from),
                                      readJack(options->to));
        if (ways.empty()) refuse(fmt::format("{} is not an output here", options->from));
        if (options->way > 0) {
            if (options->way > static_cast<int>(ways.size())) refuse(fmt::format("there are {} ways", ways.size()));
            write(*options, applyEdits(patch, ways[static_cast<std::size_t>(options->way - 1)].edits));
            return;
        }
        for (std::size_t i = 0; i < ways.size(); ++i) {
            const Split& way = ways[i];
            const std::string how = way.way == Split::Way::Copy   ? "the free copy at " + way.with
                                    : way.way == Split::Way::Mult ? "through " + way.with
                                                                  : std::string("a stacked plug");
            fmt::print("{}: {}, {} cables, loses {:.2f} % ({:.0f} cents a volt)\n", i + 1, how, way.cables,
                       100.0 * way.sagPerVolt, 1200.0 * way.sagPerVolt);
        }
    });
}

void addDouble(CLI::App& build, Context& context) {
    struct Options : Target {
        std::string voice;
        std::string name;
    };
    auto options = std::make_shared<Options>();
    auto* command = build.add_subcommand("double", "A voice once more, from what the case has left");
    giveExamples(*command, "  lariat-cli build double --help");
    addTarget(*command, *options);
    command->add_option("--voice", options->voice, "Voice")->required();
    command->add_option("--as", options->name, "Name of the second one")->required();
    command->callback([options, &context] {
        const Workspace workspace = context.workspace();
        const Patch patch = need(openPatch(options->file, workspace.library));
        write(*options, applyEdits(patch, need(duplicateVoice(patch, workspace.library, workspace.housing(patch),
                                                              options->voice, options->name))));
    });
}

void addMorph(CLI::App& build, Context& context) {
    struct Options : Target {
        std::string keep;
        double mix = -1.0;
    };
    auto options = std::make_shared<Options>();
    auto* command = build.add_subcommand("morph", "Keep all knobs as a setting, or stand between the settings A and B");
    giveExamples(*command, "  lariat-cli build morph data/demo/lamp.json --keep A --out kept.json");
    addTarget(*command, *options);
    command->add_option("--keep", options->keep, "Name to keep the knobs under: A or B");
    command->add_option("--mix", options->mix, "0 is A, 1 is B")->check(CLI::Range(0.0, 1.0));
    command->callback([options, &context] {
        const Workspace workspace = context.workspace();
        const Patch patch = need(openPatch(options->file, workspace.library));
        if (!options->keep.empty()) {
            write(*options, applyEdit(patch, KeepSetting{options->keep, settingOf(patch, workspace.library)}));
            return;
        }
        const auto a = patch.settings.find("A");
        const auto b = patch.settings.find("B");
        if (options->mix < 0.0 || a == patch.settings.end() || b == patch.settings.end())
            refuse("keep both A and B first (--keep), then give --mix");
        write(*options, applyEdits(patch, morph(patch, workspace.library, a->second, b->second, options->mix)));
    });
}

void addKeep(CLI::App& build, Context& context) {
    struct Options : Target {
        std::string rule;
        std::string because;
        int row = 0;
        std::string post;
    };
    auto options = std::make_shared<Options>();
    auto* command = build.add_subcommand("keep", "Keep a finding as it is, with the reason");
    giveExamples(
        *command,
        "  lariat-cli build keep data/demo/lamp.json --rule drone --row 3 --because \"meant\" --out kept.json");
    addTarget(*command, *options);
    command->add_option("--rule", options->rule, "Its rule, as \"check\" names it")->required();
    command->add_option("--because", options->because, "Why it is meant")->required();
    command->add_option("--row", options->row, "Row that it sits on");
    command->add_option("--post", options->post, "Post that it sits on, if it sits on no row");
    command->callback([options, &context] {
        const Workspace workspace = context.workspace();
        const Patch patch = need(openPatch(options->file, workspace.library));
        const int cable = options->row > 0 ? cableOfRow(patch, options->row) : 0;
        if (cable == 0 && !patch.post(options->post)) refuse("say which row or post it sits on");
        const Observation observed = need(observe(patch, workspace.library, workspace.housing(patch)));
        const auto findings = need(findEverything(observed)).open;
        if (std::ranges::none_of(findings, [&](const Finding& one) {
                return one.rule == options->rule && one.cable == cable && (cable != 0 || one.post == options->post);
            }))
            refuse(
                fmt::format("\"{}\" is not found there; \"lariat-cli check\" names what is, and where", options->rule));
        write(*options, applyEdit(patch, DismissFinding{{options->rule, cable, options->post, options->because}}));
    });
}

void addPath(CLI::App& build, Context& context) {
    struct Options : Target {
        std::string jack;
    };
    auto options = std::make_shared<Options>();
    auto* command = build.add_subcommand("path", "Every cable that reaches a jack, and every one it reaches");
    giveExamples(*command, "  lariat-cli build path data/demo/lamp.json --help");
    command->add_option("patch", options->file, "Patch file")->required();
    command->add_option("--jack", options->jack, "post.jack")->required();
    command->callback([options, &context] {
        const Workspace workspace = context.workspace();
        const Patch patch = need(openPatch(options->file, workspace.library));
        const JackRef jack = readJack(options->jack);
        if (!workspace.library.jack(patch, jack)) refuse(fmt::format("there is no jack {}", options->jack));
        Json all = Json::array();
        for (const int id : pathThrough(patch, workspace.library, jack)) {
            const Cable& cable = *patch.cable(id);
            all.push_back({{"row", patch.row(id)}, {"from", cable.from.text()}, {"to", cable.to.text()}});
            if (!context.json)
                fmt::print("{:>3} {} to {}\n", patch.row(id), tieName(cable.from, patch, workspace.library),
                           tieName(cable.to, patch, workspace.library));
        }
        if (context.json) std::cout << dump(all);
    });
}

} // namespace

void addBuild(CLI::App& app, Context& context) {
    auto* build =
        app.add_subcommand("build", "Moves by which a patch grows: free, insert, split, double, morph, keep, path");
    build->require_subcommand(1);
    for (auto* add : {addFree, addInsert, addSplit, addDouble, addMorph, addKeep, addPath}) add(*build, context);
}

} // namespace lariat::cli
