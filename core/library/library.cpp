#include "library/library.h"

#include "model/audio_file.h"
#include "model/file.h"
#include "model/read_error.h"

#include <algorithm>
#include <set>

#include <fmt/format.h>

namespace lariat {
namespace {

template <class List> auto findById(const List& list, std::string_view id) -> decltype(list.data()) {
    const auto it = std::ranges::find_if(list, [&](const auto& item) { return item.id == id; });
    return it == list.end() ? nullptr : &*it;
}

template <class List> int indexOf(const List& list, std::string_view id) {
    const auto* item = findById(list, id);
    return item ? static_cast<int>(item - list.data()) : -1;
}

/// Looks up the names of one part; throws ReadError at the first that is wrong.
class PartResolver {
  public:
    PartResolver(const PartDescription& in, std::string path) : in_(in), path_(std::move(path)) {}

    PartInfo resolve() {
        out_.id = in_.id;
        out_.name = in_.name;
        blocks();
        wires();
        jacks();
        normals();
        knobs();
        meanings();
        for (const std::string& id : in_.mainKnobs) {
            if (!out_.knob(id)) fail("main", say("there is no knob \"{}\"", id));
            out_.mainKnobs.push_back(id);
        }
        if (in_.mainKnobs.empty())
            for (std::size_t i = 0; i < std::min<std::size_t>(3, out_.knobs.size()); ++i)
                out_.mainKnobs.push_back(out_.knobs[i].id);
        return std::move(out_);
    }

  private:
    [[noreturn]] void fail(const std::string& where, Sentence reason) const {
        throw ReadError(path_ + "/" + where, std::move(reason));
    }

    void blocks() {
        for (const BlockUse& use : in_.blocks) {
            const BlockType* type = findBlockType(use.type);
            if (!type) fail("blocks/" + use.id, say("there is no block \"{}\"", use.type));
            if (findById(out_.blocks, use.id)) fail("blocks/" + use.id, say("is named twice"));
            PartBlock block{use.id, type, {}};
            for (const auto& [control, value] : use.fixed) {
                const int index = indexOf(type->controls, control);
                if (index < 0) fail("blocks/" + use.id, say("{} has no control \"{}\"", use.type, control));
                const Scale& scale = type->controls[static_cast<std::size_t>(index)].scale;
                if (!(value >= scale.min && value <= scale.max))
                    fail("blocks/" + use.id,
                         say("{} = {:g} is outside {:g} to {:g}", control, value, scale.min, scale.max));
                block.fixed[index] = value;
            }
            out_.blocks.push_back(std::move(block));
        }
    }

    /// Splits "block.word"; with one block the block may be left out.
    std::pair<int, std::string> split(const std::string& at, const std::string& where) const {
        const auto dot = at.find('.');
        if (dot == std::string::npos) {
            if (out_.blocks.size() == 1) return {0, at};
            fail(where, say("\"{}\" is not written block.name", at));
        }
        const int block = indexOf(out_.blocks, at.substr(0, dot));
        if (block < 0) fail(where, say("there is no block \"{}\" in this part", at.substr(0, dot)));
        return {block, at.substr(dot + 1)};
    }

    const BlockType& type(int block) const { return *out_.blocks[static_cast<std::size_t>(block)].type; }

    void wires() {
        for (const InnerWire& wire : in_.wires) {
            const auto [fromBlock, from] = split(wire.from, "wires");
            const auto [toBlock, to] = split(wire.to, "wires");
            const int output = indexOf(type(fromBlock).outputs, from);
            const int input = indexOf(type(toBlock).inputs, to);
            if (output < 0) fail("wires", say("\"{}\" is not an output", wire.from));
            if (input < 0) fail("wires", say("\"{}\" is not an input", wire.to));
            out_.wires.push_back({{fromBlock, output}, {toBlock, input}});
        }
    }

    void addJack(const JackDescription& jack, const std::string& where) {
        if (out_.jack(jack.id)) fail(where, say("the jack \"{}\" stands twice", jack.id));
        const auto [block, word] = split(jack.at.empty() ? jack.id : jack.at, where);
        const int input = indexOf(type(block).inputs, word);
        const int output = indexOf(type(block).outputs, word);
        if (input < 0 && output < 0) fail(where, say("{} has no jack \"{}\"", type(block).id, word));
        const auto& specs = input >= 0 ? type(block).inputs : type(block).outputs;
        const JackSpec& spec = specs[static_cast<std::size_t>(std::max(input, output))];
        JackInfo info;
        info.id = jack.id;
        info.name = jack.name.empty() ? spec.name : jack.name;
        info.output = input < 0;
        info.at = {block, std::max(input, output)};
        info.kind = spec.kind;
        info.min = static_cast<float>(jack.min.value_or(spec.min));
        info.max = static_cast<float>(jack.max.value_or(spec.max));
        info.scaling = jack.scaling;
        info.electrics = jack.electrics;
        if (info.output && info.electrics.kiloohms == 0.0) info.electrics.kiloohms = in_.outputKiloohms;
        if (!jack.right.empty()) {
            const auto [otherBlock, otherWord] = split(jack.right, where);
            const auto& others = info.output ? type(otherBlock).outputs : type(otherBlock).inputs;
            const int other = indexOf(others, otherWord);
            if (other < 0)
                fail(where, info.output ? say("its right side \"{}\" is not an output", jack.right)
                                        : say("its right side \"{}\" is not an input", jack.right));
            info.right = BlockPoint{otherBlock, other};
        }
        amounts_.emplace_back(out_.jacks.size(), spec.amount.empty() ? -1 : indexOf(type(block).controls, spec.amount));
        out_.jacks.push_back(std::move(info));
    }

    void jacks() {
        if (!showsAll(in_.jacks.empty())) {
            for (const JackDescription& jack : in_.jacks) addJack(jack, "jacks/" + jack.id);
            return;
        }
        // In the block's order, each as it is named if it is.
        std::set<std::string> right;
        for (const JackDescription& jack : in_.jacks)
            if (!jack.right.empty()) right.insert(split(jack.right, "jacks/" + jack.id).second);
        std::set<std::string> placed;
        for (const auto* specs : {&type(0).inputs, &type(0).outputs})
            for (const JackSpec& spec : *specs) {
                const auto named = std::ranges::find_if(in_.jacks, [&](const JackDescription& jack) {
                    return split(jack.at.empty() ? jack.id : jack.at, "jacks/" + jack.id).second == spec.id;
                });
                if (named != in_.jacks.end()) {
                    placed.insert(named->id);
                    addJack(*named, "jacks/" + named->id);
                } else if (!right.contains(spec.id)) {
                    JackDescription jack;
                    jack.id = jack.at = spec.id;
                    addJack(jack, "jacks");
                }
            }
        for (const JackDescription& jack : in_.jacks) // one that is no jack of the block, or a second one at the same
            if (!placed.contains(jack.id)) addJack(jack, "jacks/" + jack.id);
    }

    void normals() {
        for (const auto& [to, from] : in_.normals) {
            const auto jack = std::ranges::find(out_.jacks, to, &JackInfo::id);
            if (jack == out_.jacks.end() || jack->output)
                fail("normals", say("\"{}\" is not an input of this part", to));
            const auto dot = from.find('.');
            if (dot == std::string::npos) fail("normals", say("\"{}\" is not written part.jack", from));
            jack->normal = NormalInfo{from.substr(0, dot), from.substr(dot + 1)};
        }
    }

    /// All of the block's jacks or knobs stand on the panel that the part does not name itself.
    [[nodiscard]] bool showsAll(bool namesNone) const { return out_.blocks.size() == 1 && (namesNone || in_.showsAll); }

    /// A knob of the part sets this control of its only block, always or in one of its meanings.
    [[nodiscard]] bool isSet(const std::string& control) const {
        return std::ranges::any_of(in_.knobs, [&](const KnobDescription& knob) {
            return split(knob.at.empty() ? knob.id : knob.at, "knobs").second == control ||
                   std::ranges::any_of(knob.meanings, [&](const MeaningDescription& meaning) {
                       return !meaning.at.empty() && split(meaning.at, "knobs").second == control;
                   });
        });
    }

    void addKnob(const KnobDescription& knob, const std::string& where) {
        if (out_.knob(knob.id)) fail(where, say("the knob \"{}\" stands twice", knob.id));
        const auto [block, word] = split(knob.at.empty() ? knob.id : knob.at, where);
        const int index = indexOf(type(block).controls, word);
        if (index < 0) fail(where, say("{} has no control \"{}\"", type(block).id, word));
        const ControlSpec& spec = type(block).controls[static_cast<std::size_t>(index)];
        Scale scale = spec.scale;
        if (knob.min) {
            if (scale.taper == Taper::Switch || *knob.min < scale.min || *knob.max > scale.max)
                fail(where, say("the range {:g} to {:g} goes beyond the control's own, {}", *knob.min, *knob.max,
                                spec.scale.expectation()));
            scale.min = *knob.min;
            scale.max = *knob.max;
        }
        if (knob.taper) {
            if (scale.taper == Taper::Switch) fail(where, say("a switch has no taper"));
            if (*knob.taper == Taper::Log && scale.min <= 0.0)
                fail(where, say("a log taper needs a range above zero, not {:g} to {:g}", scale.min, scale.max));
            scale.taper = *knob.taper;
        }
        if (!knob.calibration.readings.empty()) {
            auto read = calibrate(scale, knob.calibration.readings, knob.calibration.law);
            if (!read) fail(where + "/calibration", read.error());
            scale = std::move(read->scale);
        }
        // Where the block is put by the part, the knob begins there.
        const auto& fixed = out_.blocks[static_cast<std::size_t>(block)].fixed;
        const auto put = fixed.find(index);
        const double usual = put == fixed.end() ? spec.initial : put->second;
        const double initial = knob.initial.value_or(std::clamp(usual, scale.min, scale.max));
        if (initial < scale.min || initial > scale.max)
            fail(where, say("the initial value {:g} is outside {:g} to {:g}", initial, scale.min, scale.max));
        out_.knobs.push_back(
            {knob.id, knob.name.empty() ? spec.name : knob.name, {block, index}, scale, initial, spec.momentary, {}});
    }

    void knobs() {
        if (showsAll(in_.knobs.empty())) {
            std::set<std::string> placed;
            for (const ControlSpec& spec : type(0).controls) {
                const auto named = std::ranges::find_if(in_.knobs, [&](const KnobDescription& knob) {
                    return split(knob.at.empty() ? knob.id : knob.at, "knobs/" + knob.id).second == spec.id;
                });
                if (named != in_.knobs.end()) {
                    placed.insert(named->id);
                    addKnob(*named, "knobs/" + named->id);
                } else if (!isSet(spec.id)) {
                    addKnob({spec.id, "", spec.id, {}, {}, {}, {}, {}, {}}, "knobs");
                }
            }
            for (const KnobDescription& knob : in_.knobs)
                if (!placed.contains(knob.id)) addKnob(knob, "knobs/" + knob.id);
        } else {
            for (const KnobDescription& knob : in_.knobs) addKnob(knob, "knobs/" + knob.id);
        }
        for (const auto& [jack, control] : amounts_)
            for (const KnobInfo& knob : out_.knobs)
                if (knob.at.block == out_.jacks[jack].at.block && knob.at.index == control)
                    out_.jacks[jack].amountKnob = knob.id;
    }

    std::vector<Meaning> readMeanings(const std::vector<MeaningDescription>& meanings, const std::string& where) const {
        std::vector<Meaning> out;
        for (const MeaningDescription& meaning : meanings) {
            Meaning info{meaning.plugged, {}, meaning.name, {}, {}};
            if (!meaning.plugged.empty()) {
                const JackInfo* jack = out_.jack(meaning.plugged);
                if (!jack || jack->output)
                    fail(where, say("there is no input \"{}\" whose plug could change it", meaning.plugged));
            }
            for (const ModeDescription& mode : meaning.modes) {
                const KnobInfo* knob = out_.knob(mode.knob);
                const auto position =
                    knob && knob->scale.taper == Taper::Switch ? knob->scale.parse(mode.position) : std::nullopt;
                if (!position)
                    fail(where, say("there is no switch \"{}\" with a position \"{}\"", mode.knob, mode.position));
                info.modes.push_back({mode.knob, static_cast<int>(*position)});
            }
            if (!meaning.at.empty()) {
                const auto [block, word] = split(meaning.at, where);
                const int index = indexOf(type(block).controls, word);
                if (index < 0) fail(where, say("{} has no control \"{}\"", type(block).id, word));
                info.at = BlockPoint{block, index};
                info.scale = type(block).controls[static_cast<std::size_t>(index)].scale;
            }
            out.push_back(std::move(info));
        }
        return out;
    }

    void meanings() {
        for (const JackDescription& jack : in_.jacks)
            std::ranges::find(out_.jacks, jack.id, &JackInfo::id)->meanings =
                readMeanings(jack.meanings, "jacks/" + jack.id);
        for (const KnobDescription& knob : in_.knobs)
            std::ranges::find(out_.knobs, knob.id, &KnobInfo::id)->meanings =
                readMeanings(knob.meanings, "knobs/" + knob.id);
    }

    const PartDescription& in_;
    std::string path_;
    PartInfo out_;
    std::vector<std::pair<std::size_t, int>> amounts_; ///< jack index, control index of its amount
};

/// Follows each input's normals through other inputs; a chain that comes back never finds a source.
void checkNormals(const ModuleInfo& module) {
    for (const PartInfo& part : module.parts)
        for (const JackInfo& start : part.jacks) {
            const std::string path = fmt::format("parts/{}/normals/{}", part.id, start.id);
            std::set<const JackInfo*> seen;
            for (const JackInfo* jack = &start; jack->normal;) {
                if (!seen.insert(jack).second) throw ReadError(path, say("its normals go round in a circle"));
                const PartInfo* source = module.part(jack->normal->part);
                const JackInfo* next = source ? source->jack(jack->normal->jack) : nullptr;
                if (!next)
                    throw ReadError(path,
                                    say("the normal {}.{} does not exist", jack->normal->part, jack->normal->jack));
                jack = next;
            }
        }
}

} // namespace

const JackInfo* PartInfo::jack(std::string_view wanted) const {
    return findById(jacks, wanted);
}
const KnobInfo* PartInfo::knob(std::string_view wanted) const {
    return findById(knobs, wanted);
}
const PartInfo* ModuleInfo::part(std::string_view wanted) const {
    return findById(parts, wanted);
}

bool PartInfo::has(std::string_view blockType) const {
    return std::ranges::any_of(blocks, [&](const PartBlock& block) { return block.type->id == blockType; });
}

const KnobInfo* PartInfo::knobFor(std::string_view blockType, std::string_view control) const {
    for (const KnobInfo& knob : knobs) {
        const BlockType& type = *blocks[static_cast<std::size_t>(knob.at.block)].type;
        if (type.id == blockType && type.controls[static_cast<std::size_t>(knob.at.index)].id == control) return &knob;
    }
    return nullptr;
}

const JackInfo* PartInfo::jackFor(std::string_view blockType, std::string_view wanted) const {
    for (const JackInfo& jack : jacks) {
        const BlockType& type = *blocks[static_cast<std::size_t>(jack.at.block)].type;
        const auto& specs = jack.output ? type.outputs : type.inputs;
        if (type.id == blockType && specs[static_cast<std::size_t>(jack.at.index)].id == wanted) return &jack;
    }
    return nullptr;
}

Result<ModuleInfo> resolveModule(const ModuleDescription& description) {
    try {
        ModuleInfo module{description, {}};
        for (const PartDescription& part : description.parts) {
            if (module.part(part.id)) throw ReadError("parts/" + part.id, say("stands twice"));
            module.parts.push_back(PartResolver(part, "parts/" + part.id).resolve());
        }
        checkNormals(module);
        return module;
    } catch (const ReadError& error) {
        return failure(error.reason, error.path);
    }
}

namespace {

/// Files of a folder with one of these endings, in alphabetical order; none if there is no such folder.
std::vector<std::filesystem::path> filesIn(const std::filesystem::path& folder,
                                           std::initializer_list<const char*> endings) {
    std::vector<std::filesystem::path> files;
    std::error_code problem;
    for (const auto& entry : std::filesystem::directory_iterator(folder, problem))
        if (std::ranges::any_of(endings, [&](const char* ending) { return entry.path().extension() == ending; }))
            files.push_back(entry.path());
    std::ranges::sort(files);
    return files;
}

} // namespace

std::vector<Error> Library::load(const std::filesystem::path& folder) {
    std::vector<Error> errors;
    std::error_code problem;
    [[maybe_unused]] const std::filesystem::directory_iterator readable(folder, problem);
    if (problem)
        errors.push_back({folder.string(), {}, say("the module folder cannot be read: {}", problem.message())});
    for (const auto& file : filesIn(folder, {".json"})) {
        auto module = readFile(file).and_then(readModule).and_then(resolveModule);
        if (module) {
            add(std::move(*module));
        } else {
            module.error().file = file.string();
            errors.push_back(std::move(module.error()));
        }
    }
    return errors;
}

std::vector<Error> Library::loadSamples(const std::filesystem::path& folder) {
    std::vector<Error> errors;
    for (const auto& file : filesIn(folder, {".wav", ".flac"})) {
        const auto read = readAudio(file);
        if (!read) {
            errors.push_back(read.error());
            continue;
        }
        auto sample = std::make_shared<Sample>();
        sample->name = file.stem().string();
        sample->rate = read->rate;
        const auto channels = static_cast<std::size_t>(read->channels);
        for (std::size_t i = 0; i + channels <= read->samples.size(); i += channels) {
            sample->left.push_back(read->samples[i]);
            if (channels > 1) sample->right.push_back(read->samples[i + 1]);
        }
        samples_.insert_or_assign(file.stem().string(), std::move(sample));
    }
    return errors;
}

std::vector<Error> Library::loadTunings(const std::filesystem::path& folder) {
    std::vector<Error> errors;
    for (const auto& file : filesIn(folder, {".scl"})) {
        const auto bytes = readFile(file);
        Sentence why;
        const auto tuning = bytes ? readScala(*bytes, why) : std::nullopt;
        if (tuning)
            tunings_.insert_or_assign(file.stem().string(), std::make_shared<const Tuning>(*tuning));
        else
            errors.push_back(bytes ? Error{file.string(), {}, why} : bytes.error());
    }
    return errors;
}

std::shared_ptr<const Sample> Library::sample(std::string_view name) const {
    const auto it = samples_.find(name);
    return it == samples_.end() ? nullptr : it->second;
}

std::shared_ptr<const Tuning> Library::tuning(std::string_view name) const {
    const auto it = tunings_.find(name);
    return it == tunings_.end() ? nullptr : it->second;
}

void Library::add(ModuleInfo module) {
    std::string id = module.description.id;
    modules_.insert_or_assign(std::move(id), std::move(module));
}

void Library::remove(std::string_view id) {
    if (const auto it = modules_.find(id); it != modules_.end()) modules_.erase(it);
}

void Library::borrowMaterial(const Library& other) {
    samples_.insert(other.samples_.begin(), other.samples_.end());
    tunings_.insert(other.tunings_.begin(), other.tunings_.end());
}

const ModuleInfo* Library::module(std::string_view id) const {
    const auto it = modules_.find(id);
    return it == modules_.end() ? nullptr : &it->second;
}

const PartInfo* Library::part(const Post& post) const {
    const ModuleInfo* info = module(post.module);
    return info ? info->part(post.part) : nullptr;
}

const JackInfo* Library::jack(const Patch& patch, const JackRef& ref) const {
    const Post* post = patch.post(ref.post);
    const PartInfo* info = post ? part(*post) : nullptr;
    return info ? info->jack(ref.jack) : nullptr;
}

double knobValue(const Post& post, const KnobInfo& knob) {
    const auto it = post.knobs.find(knob.id);
    return it == post.knobs.end() ? knob.initial : it->second;
}

TempoHome tempoHome(const Patch& patch, const Library& library) {
    for (const Post& post : patch.posts)
        if (const PartInfo* part = library.part(post))
            if (const KnobInfo* knob = part->knobFor("clock", "tempo")) return {&post, knob};
    return {};
}

double tempoOf(const Patch& patch, const Library& library) {
    const TempoHome home = tempoHome(patch, library);
    return home.knob ? knobValue(*home.post, *home.knob) : 0.0;
}

const char* kindName(SignalKind kind) {
    switch (kind) {
    case SignalKind::Audio:
        return "audio";
    case SignalKind::Pitch:
        return "pitch";
    case SignalKind::Gate:
        return "gate";
    case SignalKind::Clock:
        return "clock";
    case SignalKind::Control:
        return "control";
    }
    return "";
}

} // namespace lariat
