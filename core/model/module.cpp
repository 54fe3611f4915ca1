#include "model/module.h"

#include "model/json.h"

#include <fmt/format.h>

namespace lariat {
namespace {

/// "range": {"min": …, "max": …}
void readRange(Reader& in, std::optional<double>& min, std::optional<double>& max) {
    if (!in.has("range")) return;
    Reader range = in.object("range");
    min = range.number("min", -1e6, 1e6);
    max = range.number("max", -1e6, 1e6);
    if (*min >= *max) in.fail("range", say("is turned round: {:g} to {:g}", *min, *max));
}

std::vector<MeaningDescription> readMeanings(Reader& in) {
    std::vector<MeaningDescription> meanings;
    in.each("meanings", [&](Reader meaning) {
        MeaningDescription out{meaning.text("when-plugged", ""), {}, meaning.text("name", ""), meaning.text("at", "")};
        if (out.plugged.empty() || meaning.has("in-mode"))
            meaning.oneOrEach("in-mode", [&](Reader mode) {
                out.modes.push_back({mode.text("knob"), mode.text("is")});
            });
        if (out.plugged.empty() && out.modes.empty()) meaning.fail("in-mode", say("names no switch"));
        meanings.push_back(std::move(out));
    });
    return meanings;
}

JackDescription readJack(Reader& in) {
    JackDescription jack{in.id("id"), in.text("name", ""), in.text("at", ""), in.text("right", ""), {}, {}, {}, {}, {}};
    readRange(in, jack.min, jack.max);
    jack.scaling.gain = in.number("gain", -100, 100, 1.0);
    if (jack.scaling.gain == 0.0) in.fail("gain", say("is zero, which lets nothing through"));
    jack.scaling.offset = in.number("offset", -12, 12, 0.0);
    jack.scaling.hertzPerVolt = in.flag("hertz-per-volt", false);
    jack.electrics.kiloohms = in.number("kiloohms", 0.0, 10000, 0.0);
    jack.electrics.threshold = in.number("threshold", 0.05, 10, 0.0);
    jack.electrics.shortest = in.number("shortest-pulse", 0, 1, 0.0);
    jack.meanings = readMeanings(in);
    return jack;
}

PartDescription readPart(Reader& in) {
    PartDescription part;
    part.id = in.id("id");
    part.name = in.text("name");
    in.each("blocks", [&](Reader block) {
        BlockUse use{block.id("id"), block.id("type"), {}};
        block.eachNumber("fixed", [&](const std::string& control, double value) { use.fixed[control] = value; });
        part.blocks.push_back(std::move(use));
    });
    if (part.blocks.empty()) in.fail("blocks", say("a part needs at least one block"));
    part.showsAll = in.flag("show-all", false);
    in.each("wires", [&](Reader wire) { part.wires.push_back({wire.text("from"), wire.text("to")}); });
    in.each("jacks", [&](Reader jack) { part.jacks.push_back(readJack(jack)); });
    in.eachPair("normals", [&](const std::string& to, const std::string& from) { part.normals[to] = from; });
    in.each("knobs", [&](Reader knob) {
        KnobDescription out{knob.id("id"), knob.text("name", ""), knob.text("at", ""), {}, {}, {}, {}};
        if (knob.has("initial")) out.initial = knob.number("initial", -1e12, 1e12);
        readRange(knob, out.min, out.max);
        out.meanings = readMeanings(knob);
        part.knobs.push_back(std::move(out));
    });
    part.outputKiloohms = in.number("output-kiloohms", 0.0, 10000, 0.0);
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
        module.noiseMicrovolts = in.number("noise", 0, 100000, 60.0);
        in.each("parts", [&](Reader part) { module.parts.push_back(readPart(part)); });
        if (module.parts.empty()) in.fail("parts", say("a module needs at least one part"));
        module.extra = in.rest();
        return module;
    });
}

} // namespace lariat
