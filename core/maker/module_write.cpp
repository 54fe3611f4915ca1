#include "library/library.h"
#include "library/words.h"
#include "maker/module_text.h"
#include "maker/values.h"
#include "units/letters.h"

#include <algorithm>
#include <array>
#include <cctype>

#include <fmt/format.h>

namespace lariat {
namespace {

constexpr std::array<std::string_view, 15> kKeywords = {"module",  "id",    "about",    "noise",      "part",
                                                        "jack",    "knob",  "main",     "with",       "switch",
                                                        "outputs", "block", "readings", "unplugged,", "wire"};

bool isKeyword(std::string_view word) {
    return std::ranges::find(kKeywords, word) != kKeywords.end();
}

std::string quoted(const std::string& name) {
    return name.find_first_of(",()\"#") == std::string::npos && looseWords(name) != "" && trimmed(name) == name &&
                   name.find(" is ") == std::string::npos && name.find(" and ") == std::string::npos &&
                   name.find(" at ") == std::string::npos
               ? name
               : "\"" + name + "\"";
}

/// "split.out-1" as "split out 1"; without a point, the word of the only block.
std::string pointText(const std::string& at) {
    std::string out = at;
    const auto dot = out.find('.');
    std::replace(out.begin() + static_cast<std::ptrdiff_t>(dot == std::string::npos ? 0 : dot + 1), out.end(), '-',
                 ' ');
    if (dot != std::string::npos) out[dot] = ' ';
    return out;
}

class PartWriter {
  public:
    PartWriter(const PartDescription& part, std::string& out) : part_(part), out_(out) {}

    void write() {
        line("\npart {}{}", quoted(part_.name), idFrom(part_.name) == part_.id ? "" : " (" + part_.id + ")");
        for (const BlockUse& block : part_.blocks) writeBlock(block);
        for (const InnerWire& wire : part_.wires)
            line("{}{} to {}", isKeyword(wire.from.substr(0, wire.from.find('.'))) ? "wire " : "", pointText(wire.from),
                 pointText(wire.to));
        if (part_.showsAll) line("all jacks and knobs");
        if (part_.outputKiloohms != 0.0) line("outputs {} kΩ", part_.outputKiloohms);
        for (const JackDescription& jack : part_.jacks) writeJack(jack);
        for (const auto& [to, from] : part_.normals)
            line("unplugged, {} hears {}", nameOf(part_.jacks, to), pointText(from));
        for (const KnobDescription& knob : part_.knobs) writeKnob(knob);
        for (const JackDescription& jack : part_.jacks)
            writeMeanings("jack", nameOf(part_.jacks, jack.id), jack.meanings);
        for (const KnobDescription& knob : part_.knobs)
            writeMeanings("knob", nameOf(part_.knobs, knob.id), knob.meanings);
        if (!part_.mainKnobs.empty()) {
            std::vector<std::string> names;
            for (const std::string& id : part_.mainKnobs) names.push_back(nameOf(part_.knobs, id));
            line("main {}", fmt::join(names, ", "));
        }
    }

  private:
    template <class... Parts> void line(fmt::format_string<Parts...> pattern, Parts&&... parts) {
        out_ += fmt::format(pattern, std::forward<Parts>(parts)...) + "\n";
    }

    /// What a jack or knob is spoken of by: its word on the panel if that is its alone, else its id.
    template <class List> static std::string nameOf(const List& list, const std::string& id) {
        const auto it = std::ranges::find_if(list, [&](const auto& one) { return one.id == id; });
        if (it == list.end() || it->name.empty()) return pointText(id);
        const auto alike = std::ranges::count_if(list, [&](const auto& one) {
            return looseWords(one.name) == looseWords(it->name) || looseWords(one.id) == looseWords(it->name);
        });
        return alike == 1 ? quoted(it->name) : pointText(id);
    }

    /// The control that a point means, for its unit.
    [[nodiscard]] const ControlSpec* controlAt(const std::string& at, const std::string& id) const {
        std::string point = at.empty() ? id : at;
        const auto dot = point.find('.');
        const std::string block = dot == std::string::npos ? part_.blocks.front().id : point.substr(0, dot);
        if (dot != std::string::npos) point = point.substr(dot + 1);
        const auto use = std::ranges::find(part_.blocks, block, &BlockUse::id);
        const BlockType* type = use == part_.blocks.end() ? nullptr : findBlockType(use->type);
        if (!type) return nullptr;
        const auto it = std::ranges::find(type->controls, point, &ControlSpec::id);
        return it == type->controls.end() ? nullptr : &*it;
    }

    void writeBlock(const BlockUse& block) {
        std::string with;
        const BlockType* type = findBlockType(block.type);
        for (const auto& [control, value] : block.fixed) {
            const auto spec = type ? std::ranges::find(type->controls, control, &ControlSpec::id)
                                   : std::vector<ControlSpec>::const_iterator{};
            const bool known = type && spec != type->controls.end();
            with += fmt::format("{}{} {}", with.empty() ? ", with " : ", ", pointText(control),
                                known ? exactText(spec->scale, value) : fmt::format("{}", value));
        }
        const bool vowel = std::string_view("aeiou").find(block.type.front()) != std::string_view::npos;
        line("{}{} is {} {}{}", isKeyword(block.id) ? "block " : "", block.id, vowel ? "an" : "a",
             pointText(block.type), with);
    }

    /// With one block its name goes without saying, unless what follows could be taken for it.
    [[nodiscard]] std::string placeText(const std::string& at) const {
        const std::string& block = part_.blocks.front().id;
        if (part_.blocks.size() != 1) return pointText(at);
        const std::string word = at.starts_with(block + ".") ? at.substr(block.size() + 1) : at;
        return pointText(word.starts_with(block + "-") ? block + "." + word : word);
    }

    template <class One> std::string head(const char* what, const One& one) const {
        const bool own = one.at.empty() || (part_.blocks.size() == 1 && placeText(one.at) == placeText(one.id));
        if (one.name.empty() && own) return fmt::format("{} {}", what, placeText(one.id));
        std::string out = fmt::format("{} {}", what, one.name.empty() ? "" : quoted(one.name));
        if (one.name.empty() || idFrom(one.name) != one.id)
            out += fmt::format("{}({})", one.name.empty() ? "" : " ", one.id);
        return out + " is " + placeText(one.at.empty() ? one.id : one.at);
    }

    void writeJack(const JackDescription& jack) {
        std::string out = head("jack", jack);
        if (!jack.right.empty()) out += ", right " + placeText(jack.right);
        if (jack.min) out += fmt::format(", from {:+} V to {:+} V", *jack.min, *jack.max);
        if (jack.scaling.gain != 1.0) out += fmt::format(", gain {}", jack.scaling.gain);
        if (jack.scaling.offset != 0.0) out += fmt::format(", offset {:+} V", jack.scaling.offset);
        if (jack.scaling.hertzPerVolt) out += ", hertz per volt";
        if (jack.electrics.kiloohms != 0.0) out += fmt::format(", {} kΩ", jack.electrics.kiloohms);
        if (jack.electrics.threshold != 0.0) out += fmt::format(", threshold {} V", jack.electrics.threshold);
        if (jack.electrics.shortest != 0.0) out += fmt::format(", pulses from {} s", jack.electrics.shortest);
        line("{}", out);
    }

    void writeKnob(const KnobDescription& knob) {
        std::string out = head("knob", knob);
        const ControlSpec* control = controlAt(knob.at, knob.id);
        const auto text = [&](double value) {
            return control ? exactText(control->scale, value) : fmt::format("{}", value);
        };
        if (knob.min) out += fmt::format(", from {} to {}", text(*knob.min), text(*knob.max));
        if (knob.initial) out += ", starts at " + text(*knob.initial);
        constexpr std::array<const char*, 3> kTapers = {"linear", "log", "squared"};
        if (knob.taper) out += fmt::format(", taper {}", kTapers[static_cast<std::size_t>(*knob.taper)]);
        line("{}", out);
        if (knob.calibration.readings.empty()) return;
        std::vector<std::string> read;
        for (const Mark& mark : knob.calibration.readings)
            read.push_back(fmt::format("{} at {}", text(mark.value), clockHand(mark.fraction)));
        line("readings of {}: {}; {}", nameOf(part_.knobs, knob.id), fmt::join(read, ", "),
             lawName(knob.calibration.law));
    }

    void writeMeanings(const char* what, const std::string& name, const std::vector<MeaningDescription>& meanings) {
        for (const MeaningDescription& meaning : meanings) {
            std::vector<std::string> when;
            if (!meaning.plugged.empty()) when.push_back("a plug in " + nameOf(part_.jacks, meaning.plugged));
            for (const ModeDescription& mode : meaning.modes)
                when.push_back(fmt::format("{} at {}", nameOf(part_.knobs, mode.knob), quoted(mode.position)));
            std::string out = fmt::format("with {}, {} {}", fmt::join(when, " and "), what, name);
            if (!meaning.name.empty()) out += " is called " + quoted(meaning.name);
            if (!meaning.at.empty()) out += (meaning.name.empty() ? " sets " : ", sets ") + placeText(meaning.at);
            line("{}", out);
        }
    }

    const PartDescription& part_;
    std::string& out_;
};

} // namespace

std::string writeModuleText(const ModuleDescription& module) {
    std::string out = fmt::format("module {}\n", quoted(module.name));
    if (idFrom(module.name) != module.id) out += fmt::format("id {}\n", module.id);
    if (!module.about.empty()) out += fmt::format("about {}\n", module.about);
    out +=
        fmt::format("{} HP, {} mA on +12 V, {} mA on -12 V", module.hp, module.current.plus12, module.current.minus12);
    if (module.current.plus5 != 0.0) out += fmt::format(", {} mA on +5 V", module.current.plus5);
    out += '\n';
    if (module.noiseMicrovolts != 60.0) out += fmt::format("noise {} µV\n", module.noiseMicrovolts);
    for (const PartDescription& part : module.parts) PartWriter(part, out).write();
    return out;
}

} // namespace lariat
