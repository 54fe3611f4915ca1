#include "model/module.h"

#include "model/json.h"

namespace lariat {
namespace {

PartDescription readPart(Reader& in) {
    PartDescription part;
    part.id = in.id("id");
    part.name = in.text("name");
    in.each("blocks", [&](Reader block) {
        BlockUse use{block.id("id"), block.id("type"), {}};
        block.eachNumber("fixed", [&](const std::string& control, double value) { use.fixed[control] = value; });
        part.blocks.push_back(std::move(use));
    });
    if (part.blocks.empty()) in.fail("blocks", "a part needs at least one block");
    in.each("wires", [&](Reader wire) { part.wires.push_back({wire.text("from"), wire.text("to")}); });
    in.each("jacks", [&](Reader jack) {
        part.jacks.push_back({jack.id("id"), jack.text("name"), jack.text("at", "")});
    });
    in.eachPair("normals", [&](const std::string& to, const std::string& from) { part.normals[to] = from; });
    in.each("knobs", [&](Reader knob) {
        KnobDescription out{knob.id("id"), knob.text("name"), knob.text("at", ""), {}};
        if (knob.has("initial")) out.initial = knob.number("initial", -1e12, 1e12);
        part.knobs.push_back(std::move(out));
    });
    in.eachText("main", [&](const std::string& id, const std::string&) { part.mainKnobs.push_back(id); });
    return part;
}

} // namespace

Result<ModuleDescription> readModule(std::string_view bytes) {
    return readJson<ModuleDescription>(bytes, "lariat-module", kModuleVersion, [](Reader& in) {
        ModuleDescription module;
        module.id = in.id("id");
        module.name = in.text("name");
        module.about = in.text("about", "");
        module.hp = in.integer("hp", 1, 208);
        Reader current = in.object("current");
        module.current.plus12 = current.number("plus12", 0, 5000);
        module.current.minus12 = current.number("minus12", 0, 5000);
        module.current.plus5 = current.number("plus5", 0, 5000, 0.0);
        in.each("parts", [&](Reader part) { module.parts.push_back(readPart(part)); });
        if (module.parts.empty()) in.fail("parts", "a module needs at least one part");
        module.extra = in.rest();
        return module;
    });
}

} // namespace lariat
