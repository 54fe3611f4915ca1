// bundle: a patch with its case, modules, recordings and tunings in one archive.
#include "cli/commands.h"
#include "library/check.h"
#include "model/file.h"
#include "stock/bundle.h"

#include <iostream>

#include <CLI/CLI.hpp>
#include <fmt/format.h>

namespace lariat::cli {
namespace {

void addPack(CLI::App& bundle, Context& context) {
    struct Options {
        std::filesystem::path patch, out;
        std::string housing;
    };
    auto options = std::make_shared<Options>();
    auto* command = bundle.add_subcommand("pack", "A patch with its case, or a case alone, into one archive");
    giveExamples(*command, "  lariat-cli bundle pack data/demo/lamp.json --out lamp.lariat-bundle\n"
                           "  lariat-cli bundle pack --case keepers-case --out keepers.lariat-bundle");
    command->add_option("patch", options->patch, "Patch file");
    command->add_option("--case", options->housing, "Case alone, by its id");
    command->add_option("--out", options->out, "Archive")->required()->check(notEmpty);
    command->callback([options, &context] {
        const Workspace workspace = context.workspace();
        std::optional<Patch> patch;
        if (!options->patch.empty()) patch = need(openPatch(options->patch, workspace.library));
        const std::string id = patch ? patch->caseId : options->housing;
        const auto housing = workspace.cases.find(id);
        if (housing == workspace.cases.end())
            refuse(id.empty() ? std::string("name a patch, or a case with --case")
                              : fmt::format("there is no case \"{}\"", id));
        const Bundle made = need(
            gatherBundle(housing->second, patch, context.data.empty() ? dataFolder() : context.data, ownDataFolder()));
        need(writeBundle(made, options->out));
        if (context.json)
            std::cout << dump({{"file", options->out.string()},
                               {"modules", made.modules.size()},
                               {"samples", made.samples.size()},
                               {"tunings", made.tunings.size()}});
        else
            fmt::print("{}: {} modules, {} recordings, {} tunings\n", options->out.string(), made.modules.size(),
                       made.samples.size(), made.tunings.size());
    });
}

void addUnpack(CLI::App& bundle, Context& context) {
    struct Options {
        std::filesystem::path file, out, into;
    };
    auto options = std::make_shared<Options>();
    auto* command = bundle.add_subcommand("unpack", "Its case, modules, recordings and tunings into your own folder");
    giveExamples(*command, "  lariat-cli bundle unpack lamp.lariat-bundle --out lamp-here.json");
    command->add_option("archive", options->file, "Archive")->required();
    command->add_option("--out", options->out, "Write its patch here")->check(notEmpty);
    command->add_option("--into", options->into, "Another folder than your own");
    command->callback([options, &context] {
        const Unpacked made =
            need(unpackBundle(need(readBundle(options->file)), context.data.empty() ? dataFolder() : context.data,
                              options->into.empty() ? ownDataFolder() : options->into));
        if (made.patch && !options->out.empty())
            need(writeFile(options->out, writePatch(*made.patch), FileKind::Patch));
        if (context.json) {
            std::cout << dump(
                {{"case", made.caseId}, {"written", made.written}, {"renamed", allInEnglish(made.renamed)}});
            return;
        }
        for (const std::string& file : made.written) fmt::print("written: {}\n", file);
        for (const std::string& text : allInEnglish(made.renamed)) fmt::print("{}\n", text);
        fmt::print("the case is {}{}\n", made.caseId,
                   made.patch && options->out.empty() ? "; --out writes the patch" : "");
    });
}

} // namespace

void addBundle(CLI::App& app, Context& context) {
    auto* bundle = app.add_subcommand("bundle", "One archive with everything that a patch needs: pack, unpack");
    bundle->require_subcommand(1);
    addPack(*bundle, context);
    addUnpack(*bundle, context);
}

} // namespace lariat::cli
