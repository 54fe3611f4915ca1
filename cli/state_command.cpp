// states: what was caught of a shift register, caught at a moment of the song, gone back to.
#include "building/states.h"
#include "cli/commands.h"
#include "engine/render.h"
#include "library/check.h"
#include "model/edit.h"

#include <algorithm>
#include <iostream>
#include <memory>

#include <CLI/CLI.hpp>
#include <fmt/format.h>

namespace lariat::cli {
namespace {

/// The post with a register that is meant: the one that is named, or the only one.
std::string registerNamed(const Patch& patch, const Library& library, const std::string& wanted) {
    std::vector<std::string> all;
    for (const Post& post : patch.posts)
        if (stateKnob(patch, library, post.id)) all.push_back(post.id);
    if (!wanted.empty() && std::ranges::find(all, wanted) != all.end()) return wanted;
    if (wanted.empty() && all.size() == 1) return all.front();
    if (all.empty()) refuse("no post of this patch has a shift register");
    refuse(fmt::format("say which register with --post; there are {}", fmt::join(all, ", ")));
}

/// What the register holds after so many seconds from the start.
unsigned bitsAfter(const Patch& patch, const Library& library, const std::string& post, double seconds) {
    const KnobInfo* state = stateKnob(patch, library, post);
    std::vector<JackRef> heard;
    for (const JackInfo& jack : library.part(*patch.post(post))->jacks)
        if (jack.output && jack.at.block == state->at.block) heard.push_back({post, jack.id});
    // Probed, so that it runs, whatever it is tied to.
    auto renderer = need(Renderer::make(patch, library, {96000.0, false, {}, heard}));
    Told told{};
    const int teller = renderer.schedule().tellerOf(post);
    if (teller < 0) refuse(fmt::format("nothing steps {}", post));
    renderer.run(seconds, [](const RunView&) { return true; });
    renderer.schedule().tell(teller, told);
    return static_cast<unsigned>(told[0]);
}

} // namespace

void addStates(CLI::App& app, Context& context) {
    struct Options {
        Destination target;
        std::string post, caught, gone, forgotten;
        double at = 0.0;
    };
    auto options = std::make_shared<Options>();
    auto* command = app.add_subcommand("states", "States of a shift register: caught, named, gone back to");
    giveExamples(*command, "  lariat-cli states data/demo/deep-water.json\n"
                           "  lariat-cli states mine.json --catch Shoal --at 12.5 --in-place\n"
                           "  lariat-cli states mine.json --go Shoal --out locked.json");
    command->add_option("patch", options->target.file, "Patch file")->required();
    command->add_option("--post", options->post, "The register; needed where there are several");
    command->add_option("--catch", options->caught, "Keep what it holds --at seconds from the start, under this name");
    command->add_option("--at", options->at, "Seconds from the start")->check(CLI::Range(0.0, 3600.0));
    command->add_option("--go", options->gone, "Its knobs as they were caught");
    command->add_option("--forget", options->forgotten, "Without the state of this name");
    options->target.addOptions(*command);
    command->callback([options, &context] {
        const Workspace workspace = context.workspace();
        const Library& library = workspace.library;
        Patch patch = need(openPatch(options->target.file, library));
        const std::string post = registerNamed(patch, library, options->post);
        const auto change = [&](Result<Edits> edits) { patch = need(applyEdits(patch, need(std::move(edits)))); };
        if (!options->forgotten.empty()) change(forgetState(patch, library, post, options->forgotten));
        if (!options->caught.empty())
            change(catchState(patch, library, post, bitsAfter(patch, library, post, options->at), options->caught));
        if (!options->gone.empty()) change(goToState(patch, library, post, options->gone));
        if (!options->caught.empty() || !options->gone.empty() || !options->forgotten.empty())
            options->target.write(need(checkPatch(patch, library)));
        Json states = Json::array();
        for (const CaughtState& one : caughtStates(patch, library, post)) {
            if (context.json)
                states.push_back({{"name", one.name}, {"bits", fmt::format("{:08b}", one.bits)}});
            else
                fmt::print("{:<20} {:08b}\n", one.name, one.bits);
        }
        if (context.json)
            std::cout << dump({{"post", post}, {"states", std::move(states)}});
        else if (caughtStates(patch, library, post).empty())
            fmt::print("no state of {} was caught yet\n", post);
    });
}

} // namespace lariat::cli
