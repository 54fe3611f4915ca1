#include "model/module.h"

#include "model/json.h"

#include <algorithm>
#include <array>

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

constexpr std::array<std::string_view, 3> kTapers = {"linear", "log", "squared"};

/// "calibration": {"law": …, "readings": [{"at": "10:20", "value": 412}, …]}
Calibration readCalibration(Reader in) {
    Calibration out;
    const std::string law = in.text("law");
    const auto known = lawNamed(law);
    if (!known) in.fail("law", say("there is no law \"{}\"; there are linear, exponential, logarithmic, points", law));
    out.law = *known;
    in.each("readings", [&](Reader reading) {
        const std::string at = reading.text("at");
        const auto fraction = parseClockHand(at);
        if (!fraction) reading.fail("at", say("\"{}\" is no place on a dial, which goes from 7:00 to 5:00", at));
        out.readings.push_back({*fraction, reading.number("value", -1e12, 1e12)});
    });
    if (out.readings.size() > kMostReadings) in.fail("readings", say("{} readings are the most", kMostReadings));
    return out;
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
        KnobDescription out{knob.id("id"), knob.text("name", ""), knob.text("at", ""), {}, {}, {}, {}, {}, {}};
        if (knob.has("initial")) out.initial = knob.number("initial", -1e12, 1e12);
        readRange(knob, out.min, out.max);
        out.meanings = readMeanings(knob);
        if (knob.has("taper")) {
            const std::string taper = knob.text("taper");
            const auto* const it = std::ranges::find(kTapers, taper);
            if (it == kTapers.end())
                knob.fail("taper", say("there is no taper \"{}\"; there are linear, log and squared", taper));
            out.taper = static_cast<Taper>(it - kTapers.begin());
        }
        if (knob.has("calibration")) out.calibration = readCalibration(knob.object("calibration"));
        part.knobs.push_back(std::move(out));
    });
    part.outputKiloohms = in.number("output-kiloohms", 0.0, 10000, 0.0);
    in.eachText("main", [&](const std::string& id, const std::string&) { part.mainKnobs.push_back(id); });
    return part;
}

void writeRange(Json& out, const std::optional<double>& min, const std::optional<double>& max) {
    if (min && max) out["range"] = {{"min", *min}, {"max", *max}};
}

void writeText(Json& out, const char* key, const std::string& text) {
    if (!text.empty()) out[key] = text;
}

void writeMeanings(Json& out, const std::vector<MeaningDescription>& meanings) {
    for (const MeaningDescription& meaning : meanings) {
        Json one = Json::object();
        writeText(one, "when-plugged", meaning.plugged);
        for (const ModeDescription& mode : meaning.modes)
            one["in-mode"].push_back({{"knob", mode.knob}, {"is", mode.position}});
        writeText(one, "name", meaning.name);
        writeText(one, "at", meaning.at);
        out["meanings"].push_back(std::move(one));
    }
}

Json writeJack(const JackDescription& jack) {
    Json out = {{"id", jack.id}};
    writeText(out, "name", jack.name);
    writeText(out, "at", jack.at);
    writeText(out, "right", jack.right);
    writeRange(out, jack.min, jack.max);
    if (jack.scaling.gain != 1.0) out["gain"] = jack.scaling.gain;
    if (jack.scaling.offset != 0.0) out["offset"] = jack.scaling.offset;
    if (jack.scaling.hertzPerVolt) out["hertz-per-volt"] = true;
    if (jack.electrics.kiloohms != 0.0) out["kiloohms"] = jack.electrics.kiloohms;
    if (jack.electrics.threshold != 0.0) out["threshold"] = jack.electrics.threshold;
    if (jack.electrics.shortest != 0.0) out["shortest-pulse"] = jack.electrics.shortest;
    writeMeanings(out, jack.meanings);
    return out;
}

Json writeKnob(const KnobDescription& knob) {
    Json out = {{"id", knob.id}};
    writeText(out, "name", knob.name);
    writeText(out, "at", knob.at);
    if (knob.initial) out["initial"] = *knob.initial;
    writeRange(out, knob.min, knob.max);
    if (knob.taper) out["taper"] = std::string(kTapers[static_cast<std::size_t>(*knob.taper)]);
    if (!knob.calibration.readings.empty()) {
        Json readings = Json::array();
        for (const Mark& mark : knob.calibration.readings)
            readings.push_back({{"at", clockHand(mark.fraction)}, {"value", mark.value}});
        out["calibration"] = {{"law", lawName(knob.calibration.law)}, {"readings", std::move(readings)}};
    }
    writeMeanings(out, knob.meanings);
    return out;
}

Json writePart(const PartDescription& part) {
    Json out = {{"id", part.id}, {"name", part.name}};
    for (const BlockUse& block : part.blocks) {
        Json one = {{"id", block.id}, {"type", block.type}};
        for (const auto& [control, value] : block.fixed) one["fixed"][control] = value;
        out["blocks"].push_back(std::move(one));
    }
    if (part.showsAll) out["show-all"] = true;
    for (const InnerWire& wire : part.wires) out["wires"].push_back({{"from", wire.from}, {"to", wire.to}});
    for (const JackDescription& jack : part.jacks) out["jacks"].push_back(writeJack(jack));
    for (const auto& [to, from] : part.normals) out["normals"][to] = from;
    for (const KnobDescription& knob : part.knobs) out["knobs"].push_back(writeKnob(knob));
    if (part.outputKiloohms != 0.0) out["output-kiloohms"] = part.outputKiloohms;
    if (!part.mainKnobs.empty()) out["main"] = part.mainKnobs;
    return out;
}

} // namespace

std::string writeModule(const ModuleDescription& module) {
    Json out = {{"format", "lariat-module"}, {"version", kModuleVersion}, {"id", module.id}, {"name", module.name}};
    writeText(out, "about", module.about);
    out["hp"] = module.hp;
    out["current"] = {{"plus12", module.current.plus12}, {"minus12", module.current.minus12}};
    if (module.current.plus5 != 0.0) out["current"]["plus5"] = module.current.plus5;
    if (module.noiseMicrovolts != 60.0) out["noise"] = module.noiseMicrovolts;
    for (const PartDescription& part : module.parts) out["parts"].push_back(writePart(part));
    putBack(out, module.extra);
    return dump(out);
}

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
