// module box: posts of a patch as one module.
#include "cli/commands.h"
#include "library/check.h"
#include "maker/keep_module.h"
#include "model/edit.h"
#include "model/file.h"
#include "stock/box_voice.h"
#include "stock/case_edits.h"

#include <iostream>
#include <memory>
#include <set>

#include <CLI/CLI.hpp>
#include <fmt/format.h>

namespace lariat::cli {

void addBoxModule(CLI::App& module, Context& context) {
    struct Options {
        Destination target;
        std::string voice, name;
        std::vector<std::string> posts;
        std::filesystem::path file;
        bool keep = false;
    };
    auto options = std::make_shared<Options>();
    auto* command = module.add_subcommand(
        "box", "A voice, or some posts, as one module: a box that sounds as they did and stands in their place");
    giveExamples(*command,
                 "  lariat-cli module box data/demo/lamp.json --voice Lead --name \"Lead box\" --file box.json\n"
                 "  lariat-cli module box mine.json --voice Lead --name \"Lead box\" --keep --in-place");
    command->add_option("patch", options->target.file, "Patch file")->required();
    command->add_option("--voice", options->voice, "The voice whose posts go in");
    command->add_option("--post", options->posts, "Posts that go in, by their ids, instead");
    command->add_option("--name", options->name, "What the box is called")->required();
    command->add_option("--file", options->file, "Write its description here")->check(notEmpty);
    command->add_flag("--keep", options->keep, "Keep it in your own folder and in the case of the patch");
    options->target.addOptions(*command);
    command->callback([options, &context] {
        const Workspace workspace = context.workspace();
        const Patch patch = need(openPatch(options->target.file, workspace.library));
        const bool changes = options->target.inPlace || !options->target.out.empty();
        if (changes && !options->keep)
            refuse("the changed patch needs its box: give --keep as well, so that it is found again");
        std::set<std::string> posts(options->posts.begin(), options->posts.end());
        if (posts.empty()) posts = boxable(patch, workspace.library, options->voice);
        const ModuleDescription module = need(boxOf(patch, workspace.library, posts, options->name)).module;
        if (options->keep) { // worked out before any of it is written
            const BoxedVoice boxed = need(boxedPosts(patch, workspace, posts, options->name));
            const Patch after = need(applyEdits(patch, boxed.edits));
            need(keepModule(module, ownDataFolder()));
            need(keepCase(boxed.housing, ownDataFolder()));
            if (changes) options->target.write(after);
        }
        if (!options->file.empty()) need(writeFile(options->file, writeModule(module), FileKind::Document));
        const PartDescription& part = module.parts.front();
        if (context.json) {
            Json jacks = Json::array();
            for (const JackDescription& jack : part.jacks) jacks.push_back(jack.id);
            Json knobs = Json::array();
            for (const KnobDescription& knob : part.knobs) knobs.push_back(knob.id);
            std::cout << dump({{"id", module.id},
                               {"blocks", part.blocks.size()},
                               {"wires", part.wires.size()},
                               {"jacks", std::move(jacks)},
                               {"knobs", std::move(knobs)},
                               {"kept", options->keep}});
            return;
        }
        fmt::print("{} ({}): {} blocks, {} wires, {} jacks, {} knobs\n", module.name, module.id, part.blocks.size(),
                   part.wires.size(), part.jacks.size(), part.knobs.size());
        for (const JackDescription& jack : part.jacks) fmt::print("  jack {}\n", jack.name);
        for (const KnobDescription& knob : part.knobs) fmt::print("  knob {}\n", knob.name);
    });
}

} // namespace lariat::cli
