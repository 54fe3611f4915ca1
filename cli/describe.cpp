// blocks and modules: what there is.
#include "cli/commands.h"

#include <algorithm>
#include <iostream>

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
                                   {"words", control.scale.words}});
    return out;
}

void printBlock(const BlockType& type) {
    fmt::print("{}  {}\n", type.id, type.about);
    for (const JackSpec& jack : type.inputs)
        fmt::print("    in   {:<16} {:<8} {:g}…{:g} V\n", jack.id, kindName(jack.kind), jack.min, jack.max);
    for (const JackSpec& jack : type.outputs)
        fmt::print("    out  {:<16} {:<8} {:g}…{:g} V\n", jack.id, kindName(jack.kind), jack.min, jack.max);
    for (const ControlSpec& control : type.controls)
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

} // namespace

void addBlocks(CLI::App& app, Context& context) {
    auto* command = app.add_subcommand("blocks", "List the blocks that modules are made of");
    command->callback([&context] {
        Json all = Json::array();
        for (const BlockType& type : blockTypes())
            if (context.json)
                all.push_back(blockJson(type));
            else
                printBlock(type);
        if (context.json) std::cout << dump(all);
    });
}

void addModules(CLI::App& app, Context& context) {
    auto* command = app.add_subcommand("modules", "List the modules that are known");
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
