#include "library/library.h"
#include "library/words.h"
#include "maker/module_text.h"
#include "units/letters.h"

#include <algorithm>
#include <charconv>
#include <map>
#include <utility>

#include <fmt/format.h>

namespace lariat {
namespace {

/// What a line cannot be.
struct Wrong {
    Sentence reason;
};

[[noreturn]] void wrong(Sentence reason) {
    throw Wrong{std::move(reason)};
}

/// Cut at `separator`, but not inside quotation marks.
std::vector<std::string> cut(std::string_view text, std::string_view separator) {
    std::vector<std::string> out(1);
    bool inQuotes = false;
    for (std::size_t i = 0; i < text.size(); ++i) {
        if (text[i] == '"') inQuotes = !inQuotes;
        if (!inQuotes && text.substr(i, separator.size()) == separator) {
            out.emplace_back();
            i += separator.size() - 1;
        } else {
            out.back() += text[i];
        }
    }
    for (std::string& piece : out) piece = std::string(trimmed(piece));
    return out;
}

/// The same into two, at the first; nothing if it is not there.
std::optional<std::pair<std::string, std::string>> halves(std::string_view text, std::string_view separator) {
    bool inQuotes = false;
    for (std::size_t i = 0; i < text.size(); ++i) {
        if (text[i] == '"') inQuotes = !inQuotes;
        if (!inQuotes && text.substr(i, separator.size()) == separator)
            return std::pair(std::string(trimmed(text.substr(0, i))),
                             std::string(trimmed(text.substr(i + separator.size()))));
    }
    return std::nullopt;
}

std::string unquoted(std::string_view text) {
    const std::string_view plain = trimmed(text);
    return std::string(
        plain.size() >= 2 && plain.front() == '"' && plain.back() == '"' ? plain.substr(1, plain.size() - 2) : plain);
}

/// What follows a word at the start; nothing if the text does not begin with it.
std::optional<std::string> after(std::string_view text, std::string_view word) {
    if (lower(text.substr(0, word.size())) != word) return std::nullopt;
    const std::string_view rest = text.substr(word.size());
    if (!rest.empty() && rest.front() != ' ' && rest.front() != '\t') return std::nullopt;
    return std::string(trimmed(rest));
}

double number(std::string_view text, std::string_view unit, const char* what) {
    std::string plain(trimmed(text));
    if (!unit.empty()) {
        if (!lower(plain).ends_with(lower(unit))) wrong(say("{} is written with its unit, {}", what, unit));
        plain = std::string(trimmed(std::string_view(plain).substr(0, plain.size() - unit.size())));
    }
    if (plain.starts_with('+')) plain.erase(0, 1);
    double value = 0.0;
    const auto [end, error] = std::from_chars(plain.data(), plain.data() + plain.size(), value);
    if (error != std::errc{} || end != plain.data() + plain.size()) wrong(say("\"{}\" is no number", plain));
    return value;
}

/// What has an id and a name, found by either; ids first.
template <class List> const typename List::value_type* named(const List& list, std::string_view wanted) {
    const std::string loose = looseWords(wanted);
    for (const auto& one : list)
        if (looseWords(one.id) == loose) return &one;
    for (const auto& one : list)
        if (looseWords(one.name) == loose) return &one;
    return nullptr;
}

template <class List> std::string nearTo(std::string_view wanted, const List& list) {
    std::vector<std::string> names;
    for (const auto& one : list) names.push_back(looseWords(one.id));
    return names.empty() ? "nothing" : fmt::format("{}", fmt::join(nearestWords(wanted, names, 4), ", "));
}

const BlockType& blockNamed(const std::string& words) {
    if (const BlockType* type = named(blockTypes(), words)) return *type;
    wrong(say("there is no block \"{}\"; near: {}", words, nearTo(words, blockTypes())));
}

/// Reads line by line; what a part says is looked up among the lines before it.
class ModuleReader {
  public:
    ModuleReader(std::string_view text, const Extra& extra) : text_(text) { out_.extra = extra; }

    ModuleText read() {
        ModuleText result;
        if (text_.size() > kLongestModuleText) {
            result.faults.push_back({0, say("is longer than {} bytes", kLongestModuleText)});
            return result;
        }
        std::size_t begin = 0;
        for (line_ = 1; begin <= text_.size(); ++line_) {
            const std::size_t end = std::min(text_.find('\n', begin), text_.size());
            const std::string_view line = trimmed(text_.substr(begin, end - begin));
            begin = end + 1;
            if (line.empty() || line.front() == '#') continue;
            try {
                readLine(line);
            } catch (const Wrong& fault) {
                result.faults.push_back({line_, fault.reason});
            }
        }
        finish(result);
        if (result.faults.empty()) result.module = std::move(out_);
        return result;
    }

  private:
    void remember(const std::string& path) { lines_.emplace(path, line_); }
    [[nodiscard]] std::string path() { return "parts/" + part().id + "/"; }

    PartDescription& part() {
        if (out_.parts.empty()) wrong(say("a part comes first: \"part Voice\""));
        return out_.parts.back();
    }

    void finish(ModuleText& result) {
        if (out_.name.empty()) result.faults.push_back({0, say("it has no name yet: \"module My drum\"")});
        if (out_.id.empty()) out_.id = idFrom(out_.name);
        if (out_.hp == 0) result.faults.push_back({0, say("it has no width yet: \"10 HP, 45 mA on +12 V\"")});
        if (out_.parts.empty()) result.faults.push_back({0, say("it has no part yet: \"part Voice\"")});
        for (const PartDescription& part : out_.parts)
            if (part.blocks.empty())
                result.faults.push_back(
                    {lines_["parts/" + part.id], say("{} has no block yet: \"osc is a vco\"", part.name)});
        if (!result.faults.empty()) return;
        // As a file: the same limits, the same words.
        const auto read = readModule(writeModule(out_));
        const auto resolved = read.and_then(resolveModule);
        if (!resolved) result.faults.push_back({lineOf(byName(resolved.error().path)), resolved.error().reason});
    }

    /// "parts/2/jacks/1/gain" by ids, as the rest of the places are: "parts/voice/jacks/gate/gain".
    [[nodiscard]] std::string byName(const std::string& path) const {
        std::vector<std::string> steps = cut(path, "/");
        const auto idAt = [&](const auto& list, std::size_t step) {
            std::size_t number = 0;
            if (step >= steps.size()) return static_cast<decltype(list.data())>(nullptr);
            std::from_chars(steps[step].data(), steps[step].data() + steps[step].size(), number);
            if (number < 1 || number > list.size()) return static_cast<decltype(list.data())>(nullptr);
            steps[step] = list[number - 1].id;
            return &list[number - 1];
        };
        if (const PartDescription* part = steps.front() == "parts" ? idAt(out_.parts, 1) : nullptr;
            part && steps.size() > 2) {
            if (steps[2] == "jacks") idAt(part->jacks, 3);
            if (steps[2] == "knobs") idAt(part->knobs, 3);
            if (steps[2] == "blocks") idAt(part->blocks, 3);
        }
        return fmt::format("{}", fmt::join(steps, "/"));
    }

    /// The line that a place of the description came from.
    [[nodiscard]] int lineOf(std::string path) const {
        for (;;) {
            if (const auto it = lines_.find(path); it != lines_.end()) return it->second;
            const auto slash = path.rfind('/');
            if (slash == std::string::npos) return 0;
            path.erase(slash);
        }
    }

    void readLine(std::string_view line) {
        const auto starts = [&](std::string_view word, auto&& read) {
            const auto rest = after(line, word);
            if (rest) (this->*read)(*rest);
            return rest.has_value();
        };
        if (starts("module", &ModuleReader::readName) || starts("id", &ModuleReader::readId) ||
            starts("about", &ModuleReader::readAbout) || starts("noise", &ModuleReader::readNoise) ||
            starts("part", &ModuleReader::readPart) || starts("jack", &ModuleReader::readJack) ||
            starts("knob", &ModuleReader::readKnob) || starts("switch", &ModuleReader::readKnob) ||
            starts("readings of", &ModuleReader::readReadings) || starts("main", &ModuleReader::readMain) ||
            starts("with", &ModuleReader::readMeaning) || starts("unplugged,", &ModuleReader::readNormal) ||
            starts("outputs", &ModuleReader::readOutputs) || starts("block", &ModuleReader::readBlock) ||
            starts("wire", &ModuleReader::readWire))
            return;
        if (looseWords(line) == "all jacks and knobs") {
            part().showsAll = true;
            return;
        }
        const std::string_view first = line.substr(0, line.find(','));
        if (lower(first).ends_with(" hp")) return readWidth(std::string(line));
        if (halves(line, " is a ") || halves(line, " is an ")) return readBlock(std::string(line));
        if (halves(line, " to ")) return readWire(std::string(line));
        wrong(say(
            "is none of the lines there are: part, jack, knob, main, with, unplugged, \"osc is a vco\", \"osc saw to "
            "filter in 1\""));
    }

    void readName(const std::string& rest) { out_.name = unquoted(rest); }
    void readId(const std::string& rest) {
        if (idFrom(rest) != rest) wrong(say("an id has lower-case letters, digits and dashes only"));
        out_.id = rest;
    }
    void readAbout(const std::string& rest) { out_.about = rest; }
    void readNoise(const std::string& rest) {
        out_.noiseMicrovolts = number(rest, rest.ends_with("uV") ? "uV" : "µV", "noise");
    }
    void readOutputs(const std::string& rest) { part().outputKiloohms = kiloohms(rest); }

    static double kiloohms(const std::string& text) {
        for (const char* unit : {"kΩ", "kohm", "k"})
            if (text.ends_with(unit)) return number(text, unit, "a resistance");
        wrong(say("{} is written with its unit, {}", "a resistance", "kΩ"));
    }

    void readWidth(const std::string& line) {
        for (const std::string& piece : cut(line, ",")) {
            const auto on = halves(piece, " on ");
            if (!on) {
                const double hp = number(piece, "HP", "the width");
                if (hp != static_cast<int>(hp)) wrong(say("the width is a whole number of HP"));
                out_.hp = static_cast<int>(hp);
                continue;
            }
            const double current = number(on->first, "mA", "a current");
            const std::string rail = looseWords(on->second);
            if (rail == "+12 v")
                out_.current.plus12 = current;
            else if (rail == "12 v" && on->second.find('-') != std::string::npos)
                out_.current.minus12 = current;
            else if (rail == "+5 v")
                out_.current.plus5 = current;
            else
                wrong(say("there is no rail \"{}\"; there are +12 V, -12 V and +5 V", on->second));
        }
    }

    /// "Drum (drum-1)": name and id.
    static std::pair<std::string, std::string> nameAndId(const std::string& text) {
        std::string name = text;
        std::string id;
        if (name.ends_with(')')) {
            const auto open = name.rfind('(');
            if (open == std::string::npos) wrong(say("a bracket is never opened"));
            id = name.substr(open + 1, name.size() - open - 2);
            name = std::string(trimmed(name.substr(0, open)));
            if (id.empty() || idFrom(id) != id) wrong(say("an id has lower-case letters, digits and dashes only"));
        }
        name = unquoted(name);
        if (id.empty()) id = idFrom(name);
        if (id.empty()) wrong(say("it needs a name"));
        return {name, id};
    }

    void readPart(const std::string& rest) {
        auto [name, id] = nameAndId(rest);
        for (const PartDescription& other : out_.parts)
            if (other.id == id) wrong(say("there is a part {} already", name));
        PartDescription part;
        part.id = std::move(id);
        part.name = std::move(name);
        out_.parts.push_back(std::move(part));
        remember("parts/" + out_.parts.back().id);
    }

    void readBlock(const std::string& line) {
        auto sides = halves(line, " is an ");
        if (!sides || line.find(" is a ") < line.find(" is an ")) sides = halves(line, " is a ");
        if (!sides) wrong(say("a block is written \"osc is a vco\""));
        BlockUse use;
        use.id = lower(sides->first);
        if (use.id.empty() || idFrom(use.id) != use.id)
            wrong(say("\"{}\" is no name for a block; it has letters, digits and dashes", sides->first));
        for (const BlockUse& other : part().blocks)
            if (other.id == use.id) wrong(say("there is a block {} already", use.id));
        std::string words = sides->second;
        std::string with;
        if (auto cutOff = halves(words, ", with ")) std::tie(words, with) = *cutOff;
        const BlockType& type = blockNamed(words);
        use.type = type.id;
        if (!with.empty())
            for (const std::string& piece : cut(with, ",")) {
                const auto [control, value] = settingOf(type, piece);
                use.fixed[control->id] = value;
            }
        part().blocks.push_back(std::move(use));
        remember(path() + "blocks/" + part().blocks.back().id);
    }

    /// "fm amount 40 %": the longest control that it begins with, and the rest as its value.
    static std::pair<const ControlSpec*, double> settingOf(const BlockType& type, const std::string& piece) {
        for (std::size_t end = piece.size(); end != std::string::npos && end > 0; end = piece.rfind(' ', end - 1))
            if (const ControlSpec* control = named(type.controls, piece.substr(0, end))) {
                const std::string value(trimmed(std::string_view(piece).substr(end)));
                return {control, valueOf(*control, value)};
            }
        wrong(say("{} has no control as in \"{}\"; near: {}", type.id, piece, nearTo(piece, type.controls)));
    }

    static double valueOf(const ControlSpec& control, const std::string& text) {
        const auto value = control.scale.parse(text);
        if (!value) wrong(say("\"{}\" is no value of {}: {}", text, control.id, control.scale.expectation()));
        return *value;
    }

    [[nodiscard]] const BlockType& typeOf(const BlockUse& use) const { return *findBlockType(use.type); }

    /// "split out 1": the block and what follows; with one block it may be left out.
    std::pair<const BlockUse*, std::string> pointOf(const std::string& text) {
        const auto& blocks = part().blocks;
        const auto space = text.find_first_of(" .");
        const std::string first = lower(text.substr(0, space));
        for (const BlockUse& use : blocks)
            if (use.id == first && space != std::string::npos)
                return {&use, std::string(trimmed(text.substr(space + 1)))};
        if (blocks.size() == 1) return {&blocks.front(), text};
        std::vector<std::string> names;
        for (const BlockUse& use : blocks) names.push_back(use.id);
        if (names.empty()) wrong(say("this part has no block yet: \"osc is a vco\""));
        wrong(say("\"{}\" begins with none of the blocks of this part: {}", text, fmt::join(names, ", ")));
    }

    /// A jack of a block, as it stands in a file.
    std::string jackAt(const std::string& text, bool inputs, bool outputs) {
        const auto [use, word] = pointOf(text);
        const BlockType& type = typeOf(*use);
        const JackSpec* jack = inputs ? named(type.inputs, word) : nullptr;
        if (!jack && outputs) jack = named(type.outputs, word);
        if (inputs && outputs && jack)
            for (const JackSpec& other : type.outputs) // an id comes before a name
                if (looseWords(other.id) == looseWords(word) && looseWords(jack->id) != looseWords(word)) jack = &other;
        if (jack) return use->id + "." + jack->id;
        if (inputs && named(type.outputs, word))
            wrong(say("{} of {} is an output; a wire leads to an input", word, use->id));
        if (outputs && named(type.inputs, word))
            wrong(say("{} of {} is an input; a wire begins at an output", word, use->id));
        std::vector<JackSpec> all;
        if (inputs) all = type.inputs;
        if (outputs) all.insert(all.end(), type.outputs.begin(), type.outputs.end());
        wrong(say("{} ({}) has no jack \"{}\"; near: {}", use->id, type.id, word, nearTo(word, all)));
    }

    std::pair<std::string, const ControlSpec*> controlAt(const std::string& text) {
        const auto [use, word] = pointOf(text);
        const BlockType& type = typeOf(*use);
        const ControlSpec* control = named(type.controls, word);
        if (!control)
            wrong(say("{} ({}) has no control \"{}\"; near: {}", use->id, type.id, word, nearTo(word, type.controls)));
        return {use->id + "." + control->id, control};
    }

    void readWire(const std::string& line) {
        // Both sides may hold the word: the first cut that both sides allow.
        std::optional<Wrong> first;
        for (std::size_t at = line.find(" to "); at != std::string::npos; at = line.find(" to ", at + 1)) {
            try {
                InnerWire wire{jackAt(std::string(trimmed(line.substr(0, at))), false, true),
                               jackAt(std::string(trimmed(line.substr(at + 4))), true, false)};
                for (const InnerWire& other : part().wires)
                    if (other.to == wire.to)
                        wrong(say("{} is fed by {} already; two outputs are summed by a mixer", wire.to, other.from));
                part().wires.push_back(std::move(wire));
                return;
            } catch (const Wrong& fault) {
                if (!first) first = fault;
            }
        }
        throw *first;
    }

    void readJack(const std::string& rest) {
        JackDescription jack;
        std::vector<std::string> options;
        const auto is = halves(rest, " is ");
        if (is) {
            std::tie(jack.name, jack.id) = nameAndId(is->first);
            options = cut(is->second, ",");
            jack.at = jackAt(options.front(), true, true);
            shorten(jack.at, jack.id);
        } else {
            options = cut(rest, ",");
            jack.id = idFrom(options.front());
            shorten(jack.at = jackAt(options.front(), true, true), jack.id);
        }
        for (std::size_t i = 1; i < options.size(); ++i) readJackOption(jack, options[i]);
        add(part().jacks, std::move(jack), "jacks/", say("there is a jack {} already", rest));
    }

    /// With one block, what is called as it is there needs no place.
    void shorten(std::string& at, const std::string& id) {
        if (part().blocks.size() != 1) return;
        at.erase(0, at.find('.') + 1);
        if (at == id) at.clear();
    }

    template <class One> void add(std::vector<One>& list, One one, const char* folder, Sentence twice) {
        if (std::ranges::any_of(list, [&](const One& other) { return other.id == one.id; })) wrong(std::move(twice));
        list.push_back(std::move(one));
        remember(path() + folder + list.back().id);
    }

    void readJackOption(JackDescription& jack, const std::string& option) {
        if (const auto right = after(option, "right")) {
            jack.right = jackAt(*right, true, true);
            if (part().blocks.size() == 1) jack.right.erase(0, jack.right.find('.') + 1);
        } else if (const auto from = after(option, "from")) {
            const auto ends = halves(*from, " to ");
            if (!ends) wrong(say("a range is written \"from -5 V to +5 V\""));
            jack.min = number(ends->first, "V", "a range");
            jack.max = number(ends->second, "V", "a range");
            if (*jack.min >= *jack.max) wrong(say("the range is turned round"));
        } else if (const auto gain = after(option, "gain")) {
            jack.scaling.gain = number(*gain, "", "gain");
        } else if (const auto offset = after(option, "offset")) {
            jack.scaling.offset = number(*offset, "V", "an offset");
        } else if (lower(option) == "hertz per volt") {
            jack.scaling.hertzPerVolt = true;
        } else if (const auto threshold = after(option, "threshold")) {
            jack.electrics.threshold = number(*threshold, "V", "a threshold");
        } else if (const auto pulses = after(option, "pulses from")) {
            jack.electrics.shortest =
                pulses->ends_with("ms") ? number(*pulses, "ms", "a length") / 1e3 : number(*pulses, "s", "a length");
        } else if (option.ends_with("kΩ") || option.ends_with("kohm")) {
            jack.electrics.kiloohms = kiloohms(option);
        } else {
            wrong(say("\"{}\" says nothing of a jack; there are right, from … to …, gain, offset, hertz per volt, kΩ, "
                      "threshold, pulses from",
                      option));
        }
    }

    void readKnob(const std::string& rest) {
        KnobDescription knob;
        std::vector<std::string> options;
        const ControlSpec* control = nullptr;
        if (const auto is = halves(rest, " is ")) {
            std::tie(knob.name, knob.id) = nameAndId(is->first);
            options = cut(is->second, ",");
        } else {
            options = cut(rest, ",");
            knob.id = idFrom(options.front());
        }
        std::tie(knob.at, control) = controlAt(options.front());
        shorten(knob.at, knob.id);
        for (std::size_t i = 1; i < options.size(); ++i) readKnobOption(knob, *control, options[i]);
        add(part().knobs, std::move(knob), "knobs/", say("there is a knob {} already", rest));
        controls_[path() + part().knobs.back().id] = control;
    }

    static void readKnobOption(KnobDescription& knob, const ControlSpec& control, const std::string& option) {
        if (const auto from = after(option, "from")) {
            const auto ends = halves(*from, " to ");
            if (!ends) wrong(say("a range is written \"from … to …\""));
            knob.min = valueOf(control, ends->first);
            knob.max = valueOf(control, ends->second);
            if (*knob.min >= *knob.max) wrong(say("the range is turned round"));
        } else if (const auto start = after(option, "starts at")) {
            knob.initial = valueOf(control, *start);
        } else if (const auto taper = after(option, "taper")) {
            if (*taper == "linear")
                knob.taper = Taper::Linear;
            else if (*taper == "log")
                knob.taper = Taper::Log;
            else if (*taper == "squared")
                knob.taper = Taper::Squared;
            else
                wrong(say("there is no taper \"{}\"; there are linear, log and squared", *taper));
        } else {
            wrong(say("\"{}\" says nothing of a knob; there are from … to …, starts at, taper", option));
        }
    }

    /// The id of a jack or knob of this part that is spoken of.
    template <class List> static std::string idOf(const List& list, const std::string& text, const char* what) {
        if (const auto* one = named(list, unquoted(text))) return one->id;
        wrong(say("there is no {} \"{}\" in this part so far; near: {}", what, unquoted(text), nearTo(text, list)));
    }

    /// Of a part that shows all of its block, also those that no line names.
    std::string jackId(const std::string& text) {
        if (named(part().jacks, unquoted(text)) || part().blocks.size() != 1) return idOf(part().jacks, text, "jack");
        const BlockType& type = typeOf(part().blocks.front());
        if (const JackSpec* jack = named(type.inputs, unquoted(text))) return jack->id;
        return idOf(part().jacks, text, "jack");
    }
    std::string knobId(const std::string& text) {
        if (named(part().knobs, unquoted(text)) || part().blocks.size() != 1) return idOf(part().knobs, text, "knob");
        const BlockType& type = typeOf(part().blocks.front());
        if (const ControlSpec* control = named(type.controls, unquoted(text))) return control->id;
        return idOf(part().knobs, text, "knob");
    }

    void readReadings(const std::string& rest) {
        const auto sides = halves(rest, ":");
        if (!sides) wrong(say("readings are written \"readings of Cutoff: 20 Hz at 7:00, 412 Hz at 10:20; points\""));
        const std::string id = idOf(part().knobs, sides->first, "knob");
        auto& knob = *std::ranges::find(part().knobs, id, &KnobDescription::id);
        const ControlSpec& control = *controls_.at(path() + id);
        std::string list = sides->second;
        if (const auto law = halves(list, ";")) {
            const auto known = lawNamed(lower(law->second));
            if (!known)
                wrong(say("there is no law \"{}\"; there are linear, exponential, logarithmic, points", law->second));
            knob.calibration.law = *known;
            list = law->first;
        }
        for (const std::string& piece : cut(list, ",")) {
            const auto at = halves(piece, " at ");
            if (!at) wrong(say("a reading is written \"412 Hz at 10:20\""));
            const auto fraction = parseClockHand(at->second);
            if (!fraction) wrong(say("\"{}\" is no place on a dial, which goes from 7:00 to 5:00", at->second));
            knob.calibration.readings.push_back({*fraction, valueOf(control, at->first)});
        }
        remember(path() + "knobs/" + id + "/calibration");
    }

    void readMain(const std::string& rest) {
        for (const std::string& name : cut(rest, ",")) part().mainKnobs.push_back(knobId(name));
        remember(path() + "main");
    }

    void readNormal(const std::string& rest) {
        const auto sides = halves(rest, " hears ");
        if (!sides) wrong(say("a normal is written \"unplugged, gate hears 1 gate\""));
        const std::string to = jackId(sides->first);
        const auto space = sides->second.find_first_of(" .");
        if (space == std::string::npos) wrong(say("\"{}\" names a part and a jack of it", sides->second));
        std::string from = lower(sides->second);
        from[space] = '.';
        std::replace(from.begin() + static_cast<std::ptrdiff_t>(space), from.end(), ' ', '-');
        part().normals[to] = from;
        remember(path() + "normals/" + to);
    }

    void readMeaning(const std::string& rest) {
        MeaningDescription meaning;
        std::string what;
        std::string condition;
        for (const char* kind : {", knob ", ", jack "})
            if (const auto sides = halves(rest, kind)) {
                condition = sides->first;
                what = std::string(trimmed(std::string_view(kind).substr(1))) + " " + sides->second;
            }
        if (what.empty()) wrong(say("a meaning is written \"with a plug in pwm, knob Width is called PWM depth\""));
        for (const std::string& one : cut(condition, " and ")) {
            if (const auto jack = after(one, "a plug in")) {
                meaning.plugged = jackId(*jack);
            } else if (const auto mode = halves(one, " at ")) {
                meaning.modes.push_back({knobId(mode->first), unquoted(mode->second)});
            } else {
                wrong(say("\"{}\" is no condition; there are \"a plug in pwm\" and \"Type at AD\"", one));
            }
        }
        const bool knob = what.starts_with("knob ");
        what.erase(0, 5);
        std::string target;
        if (const auto sets = halves(what, ", sets "))
            std::tie(what, target) = *sets;
        else if (const auto only = halves(what, " sets "))
            std::tie(what, target) = *only;
        if (const auto called = halves(what, " is called ")) {
            what = called->first;
            meaning.name = unquoted(called->second);
        }
        if (meaning.name.empty() && target.empty())
            wrong(say("it says neither what it is called then, nor what it sets"));
        if (!target.empty()) {
            if (!knob) wrong(say("a jack stays where it is; only a knob sets something else"));
            meaning.at = controlAt(target).first;
            if (part().blocks.size() == 1) meaning.at.erase(0, meaning.at.find('.') + 1);
        }
        const auto give = [&](auto& list, const std::string& id) {
            auto it = std::ranges::find_if(list, [&](const auto& one) { return one.id == id; });
            if (it == list.end()) wrong(say("\"{}\" is not named in this part; give it a line of its own first", what));
            it->meanings.push_back(std::move(meaning));
        };
        if (knob)
            give(part().knobs, knobId(what));
        else
            give(part().jacks, idOf(part().jacks, what, "jack"));
    }

    std::string_view text_;
    ModuleDescription out_;
    int line_ = 0;
    std::map<std::string, int> lines_; ///< place in the description → line
    std::map<std::string, const ControlSpec*> controls_;
};

} // namespace

ModuleText readModuleText(std::string_view text, const Extra& extra) {
    return ModuleReader(text, extra).read();
}

std::string hintFor(std::string_view text, int line) {
    std::string wanted;
    std::map<std::string, const BlockType*> blocks;
    bool inPart = false;
    std::size_t begin = 0;
    for (int n = 1; begin <= text.size(); ++n) {
        const std::size_t end = std::min(text.find('\n', begin), text.size());
        const std::string one(trimmed(text.substr(begin, end - begin)));
        begin = end + 1;
        if (n == line) wanted = one;
        if (after(one, "part")) {
            if (n > line) break;
            inPart = true;
            blocks.clear();
        }
        for (const char* is : {" is a ", " is an "})
            if (const auto sides = halves(one, is))
                if (const BlockType* type = named(blockTypes(), sides->second.substr(0, sides->second.find(','))))
                    blocks[lower(sides->first)] = type;
    }
    std::string plain = lower(wanted);
    for (const char* word : {"jack ", "knob ", "switch "})
        if (plain.starts_with(word))
            if (const auto is = halves(plain, " is ")) plain = is->second;
    const auto list = [](const auto& specs) {
        std::vector<std::string> ids;
        for (const auto& spec : specs) ids.push_back(looseWords(spec.id));
        return ids.empty() ? std::string("nothing") : fmt::format("{}", fmt::join(ids, ", "));
    };
    // The last block that is named in the line is the one being written.
    const BlockType* type = nullptr;
    std::string id;
    std::size_t last = 0;
    for (const auto& [name, one] : blocks)
        for (std::size_t at = plain.find(name); at != std::string::npos; at = plain.find(name, at + 1)) {
            const bool whole = (at == 0 || plain[at - 1] == ' ') &&
                               (at + name.size() == plain.size() || plain[at + name.size()] == ' ');
            if (whole && (!type || at >= last)) {
                type = one;
                id = name;
                last = at;
            }
        }
    if (type)
        return fmt::format("{}: {}\nin: {}\nout: {}\ncontrols: {}", id, type->name, list(type->inputs),
                           list(type->outputs), list(type->controls));
    if (!inPart) return {};
    return "blocks: " + list(blockTypes());
}

} // namespace lariat
