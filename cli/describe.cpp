// blocks and modules: what there is.
#include "cli/commands.h"

#include "blocks/time/midi_modes.h"
#include "engine/cost.h"
#include "model/file.h"

#include <algorithm>
#include <iostream>
#include <map>
#include <sstream>

#include <CLI/CLI.hpp>
#include <fmt/format.h>

namespace lariat::cli {
namespace {

Json jackJson(const JackSpec& jack) {
    return {{"id", jack.id}, {"name", jack.name}, {"kind", kindName(jack.kind)}, {"min", jack.min}, {"max", jack.max}};
}

Json blockJson(const BlockType& type) {
    Json out = {{"id", type.id},           {"name", type.name},        {"about", type.about},
                {"inputs", Json::array()}, {"outputs", Json::array()}, {"controls", Json::array()}};
    for (const JackSpec& jack : type.inputs) out["inputs"].push_back(jackJson(jack));
    for (const JackSpec& jack : type.outputs) out["outputs"].push_back(jackJson(jack));
    for (const ControlSpec& control : type.controls)
        out["controls"].push_back({{"id", control.id},
                                   {"name", control.name},
                                   {"min", control.scale.min},
                                   {"max", control.scale.max},
                                   {"initial", control.initial},
                                   {"words", control.scale.words},
                                   {"momentary", control.momentary}});
    return out;
}

void printBlock(const BlockType& type) {
    fmt::print("{}  {}\n", type.id, type.about);
    for (const JackSpec& jack : type.inputs)
        fmt::print("    in   {:<16} {:<8} {:g}…{:g} V\n", jack.id, kindName(jack.kind), jack.min, jack.max);
    for (const JackSpec& jack : type.outputs)
        fmt::print("    out  {:<16} {:<8} {:g}…{:g} V\n", jack.id, kindName(jack.kind), jack.min, jack.max);
    for (const ControlSpec& control : type.controls)
        if (control.momentary)
            fmt::print("    button {}\n", control.id);
        else
            fmt::print("    knob {:<16} {}, at first {}\n", control.id, control.scale.expectation(),
                       control.scale.text(control.initial));
}

void printModule(const ModuleInfo& module) {
    const ModuleDescription& d = module.description;
    fmt::print("{:<20} {:>3} HP  +12 {:g} mA  -12 {:g} mA  {}\n", d.id, d.hp, d.current.plus12, d.current.minus12,
               d.about);
    for (const PartInfo& part : module.parts) {
        const auto outputs = std::ranges::count_if(part.jacks, &JackInfo::output);
        fmt::print("    {:<12} {} inputs, {} outputs, {} knobs\n", part.name,
                   part.jacks.size() - static_cast<std::size_t>(outputs), outputs, part.knobs.size());
    }
}

Json moduleJson(const ModuleInfo& module) {
    const ModuleDescription& d = module.description;
    Json parts = Json::array();
    for (const PartInfo& part : module.parts) {
        Json inputs = Json::array();
        Json outputs = Json::array();
        Json knobs = Json::array();
        for (const JackInfo& jack : part.jacks) (jack.output ? outputs : inputs).push_back(jack.id);
        for (const KnobInfo& knob : part.knobs) knobs.push_back(knob.id);
        parts.push_back(
            {{"id", part.id}, {"name", part.name}, {"inputs", inputs}, {"outputs", outputs}, {"knobs", knobs}});
    }
    return {
        {"id", d.id},    {"name", d.name}, {"hp", d.hp}, {"plus12", d.current.plus12}, {"minus12", d.current.minus12},
        {"parts", parts}};
}

/// What the tests have measured, by block.
std::map<std::string, std::vector<std::string>> readFigures(const std::filesystem::path& file) {
    std::map<std::string, std::vector<std::string>> figures;
    if (file.empty()) return figures;
    std::istringstream lines(need(readFile(file)));
    for (std::string line; std::getline(lines, line);) {
        const auto tab = line.find('\t');
        if (tab == std::string::npos) continue;
        auto& list = figures[line.substr(0, tab)];
        const std::string figure = line.substr(tab + 1);
        if (std::ranges::find(list, figure) == list.end()) list.push_back(figure);
    }
    return figures;
}

void printTable(const std::filesystem::path& file) {
    const auto figures = readFigures(file);
    std::cout << "| block | what it is | jacks in / out, controls | measured by the tests | cost at 96 kHz |\n"
                 "|---|---|---|---|---|\n";
    for (const BlockType& type : blockTypes()) {
        const auto found = figures.find(type.id);
        const std::string measured =
            found == figures.end() ? "behaves as its header says" : fmt::format("{}", fmt::join(found->second, "; "));
        const BlockCost cost = measureCost(type);
        std::cout << fmt::format("| ✓ {} | {} | {} / {}, {} | {} | {:.0f} ns, {:.2f} % |\n", type.id, type.about,
                                 type.inputs.size(), type.outputs.size(), type.controls.size(), measured,
                                 cost.nanoseconds, cost.percent);
    }
}

} // namespace

void addBench(CLI::App& app, Context& context) {
    auto* command = app.add_subcommand("bench", "What each block costs on this machine, all its jacks in use");
    giveExamples(*command, "  lariat-cli bench --json");
    command->callback([&context] {
        Json all = Json::array();
        for (const BlockType& type : blockTypes()) {
            const BlockCost cost = measureCost(type);
            if (context.json)
                all.push_back({{"block", type.id}, {"nanoseconds", cost.nanoseconds}, {"percent", cost.percent}});
            else
                fmt::print("{:<20} {:>7.1f} ns a sample  {:>6.2f} % of a core at 96 kHz\n", type.id, cost.nanoseconds,
                           cost.percent);
        }
        if (context.json) std::cout << dump(all);
    });
}

void addBlocks(CLI::App& app, Context& context) {
    struct Options {
        std::string only;
        std::filesystem::path figures;
        bool markdown = false;
        bool tables = false;
    };
    auto options = std::make_shared<Options>();
    auto* command = app.add_subcommand("blocks", "List the blocks that modules are made of");
    giveExamples(*command, "  lariat-cli blocks svf\n"
                           "  lariat-cli blocks midi-to-cv --tables");
    command->add_option("block", options->only, "Only this one");
    command->add_flag("--markdown", options->markdown, "A table with what was measured and what each costs");
    command->add_option("--figures", options->figures,
                        "What the tests measured, for --markdown: block, tab, figure a line");
    command->add_flag("--tables", options->tables, "The MIDI converter's modes, port by port");
    command->callback([options, &context] {
        if (options->tables) {
            for (const MidiMode& mode : midiModes()) std::cout << midiTable(mode);
            return;
        }
        if (options->markdown) return printTable(options->figures);
        if (!options->only.empty() && !findBlockType(options->only))
            throw Failed{
                {{}, {}, say("there is no block \"{}\"; blocks without a name lists them all", options->only)}};
        Json all = Json::array();
        for (const BlockType& type : blockTypes())
            if (!options->only.empty() && type.id != options->only)
                continue;
            else if (context.json)
                all.push_back(blockJson(type));
            else
                printBlock(type);
        if (context.json) std::cout << dump(all);
    });
}

void addModules(CLI::App& app, Context& context) {
    auto* command = app.add_subcommand("modules", "List the modules that are known");
    giveExamples(*command, "  lariat-cli modules --json");
    command->callback([&context] {
        const Workspace workspace = context.workspace();
        Json all = Json::array();
        for (const auto& [id, module] : workspace.library.modules())
            if (context.json)
                all.push_back(moduleJson(module));
            else
                printModule(module);
        if (context.json) std::cout << dump(all);
    });
}

} // namespace lariat::cli
