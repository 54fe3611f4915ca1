// lariat-cli: the core without a window.
#include "cli/commands.h"

#include <algorithm>
#include <cstdio>
#include <exception>
#include <iostream>

#include <CLI/CLI.hpp>

namespace {

/// What comes out of files goes to a terminal: no control characters, which could do things there.
std::string printable(std::string text) {
    std::ranges::replace_if(
        text, [](char c) { return (c >= 0 && c < ' ' && c != '\n') || c == 0x7f; }, '?');
    return text;
}

int fail(const lariat::cli::Context& context, const lariat::Error& error) {
    if (context.json)
        std::cout << lariat::dump({{"error", error.reason.str()}, {"file", error.file}, {"place", error.path}});
    std::cerr << "lariat-cli: " << printable(error.text()) << '\n';
    return 2;
}

} // namespace

int main(int argc, char** argv) {
    CLI::App app{"Lariat without a window: checks, renders, measures and prints modular patches."};
    app.require_subcommand(1);
    app.footer("Examples:\n"
               "  lariat-cli check data/demo/lamp.json\n"
               "  lariat-cli render data/demo/lamp.json --out lamp.wav --probe \"osc-a:saw=saw.wav\"\n"
               "  lariat-cli render data/demo/bell-buoy.json --out bell.wav --real-case\n"
               "  lariat-cli measure lamp.wav\n"
               "  lariat-cli ask same data/demo/lamp.json vca-2.out\n"
               "  lariat-cli tie data/demo/lamp.json \"lfo sine to follower pwm\" --out changed.json\n"
               "  lariat-cli build split data/demo/lamp.json --from lfo.sine --to osc-a.pwm\n"
               "  lariat-cli midi tune.mid --patch data/demo/first-voice.json --post keys --out played.json\n"
               "  lariat-cli blocks midi-to-cv --tables\n"
               "  lariat-cli bench\n"
               "  lariat-cli log take data/demo/lamp.json --name \"before the bell\"\n"
               "Exit codes: 0 done, 1 findings of the kind mistake (check) or something is different (diff), 2 wrong "
               "input, 3 wrong use.");
    lariat::cli::Context context;
    app.add_flag("--json", context.json, "Answer in JSON")->configurable(false);
    app.add_option("--data", context.data, "Data folder with modules/ and cases/");
    app.set_version_flag("--version", "lariat-cli 0.1.0");
    app.fallthrough();
    for (auto* add :
         {lariat::cli::addBlocks,  lariat::cli::addModules, lariat::cli::addCheck,   lariat::cli::addRender,
          lariat::cli::addMeasure, lariat::cli::addRecord,  lariat::cli::addTie,     lariat::cli::addStates,
          lariat::cli::addSheet,   lariat::cli::addBench,   lariat::cli::addMidi,    lariat::cli::addBuild,
          lariat::cli::addDiff,    lariat::cli::addScales,  lariat::cli::addPattern, lariat::cli::addResponses,
          lariat::cli::addClocks,  lariat::cli::addReckon,  lariat::cli::addScenes,  lariat::cli::addPlan,
          lariat::cli::addFind,    lariat::cli::addStock,   lariat::cli::addBundle,  lariat::cli::addModule,
          lariat::cli::addUnknown, lariat::cli::addLog,     lariat::cli::addRead,    lariat::cli::addAsk})
        add(app, context);
    try {
        app.parse(argc, argv);
    } catch (const CLI::ParseError& error) {
        const int code = app.exit(error);
        return code == 0 ? 0 : 3;
    } catch (const lariat::cli::Failed& failed) {
        return fail(context, failed.error);
    } catch (const std::exception& error) {
        return fail(context, {{}, {}, lariat::plain(error.what())});
    }
    // An answer that could not be written is no answer.
    std::cout.flush();
    if (!std::cout || std::fflush(stdout) != 0 || std::ferror(stdout) != 0) {
        std::cerr << "lariat-cli: the answer cannot be written to its end\n";
        return 2;
    }
    return context.exitCode;
}
