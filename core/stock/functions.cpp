#include "stock/functions.h"

#include "model/file.h"
#include "model/json.h"
#include "timing/pattern_edits.h"

#include <algorithm>

namespace lariat {
namespace {

Provider readProvider(Reader& in) {
    Provider out{in.id("block"), in.integer("channels", 1, 64, 1)};
    const BlockType* type = findBlockType(out.block);
    if (!type) in.fail("block", say("there is no block \"{}\"", out.block));
    out.sameWords = in.flag("same-words", !in.has("jacks"));
    const auto known = [&](const auto& list, const std::string& word) {
        return std::ranges::any_of(list, [&](const auto& one) { return one.id == withChannel(word, 1); });
    };
    in.eachPair("jacks", [&](const std::string& word, const std::string& jack) {
        if (!known(type->inputs, jack) && !known(type->outputs, jack))
            in.fail("jacks", say("{} has no jack \"{}\"", type->name, jack));
        out.jacks[word] = jack;
    });
    const auto turn = [&](const char* key, const std::string& word, Turn turned) {
        if (!known(type->controls, turned.knob)) in.fail(key, say("{} has no control \"{}\"", type->name, turned.knob));
        out.knobs[word].push_back(std::move(turned));
    };
    in.eachPair("knobs", [&](const std::string& word, const std::string& knob) { turn("knobs", word, {knob, {}}); });
    in.each("turns", [&](Reader one) {
        const std::string word = one.text("word");
        turn("turns", word, {one.text("knob"), one.text("is")});
    });
    in.eachNumber(
        "set", [&](const std::string& knob, double value) { out.set[knob] = fmt::format("{:g}", value); },
        [&](const std::string& knob, const std::string& words) { out.set[knob] = words; });
    for (const auto& [knob, words] : out.set)
        if (!known(type->controls, knob)) in.fail("set", say("{} has no control \"{}\"", type->name, knob));
    out.leadsOut = in.flag("leads-out", false);
    out.price = in.number("price", 0, 100, 0.0);
    out.because = plain(in.text("because", ""));
    return out;
}

} // namespace

std::string withChannel(std::string word, int channel) {
    if (const auto at = word.find("{n}"); at != std::string::npos) word.replace(at, 3, std::to_string(channel));
    return word;
}

Result<Functions> Functions::read(std::string_view bytes) {
    return readJson<Functions>(bytes, "lariat-functions", 1, [](Reader& in) {
        Functions out;
        in.each("functions", [&](Reader one) {
            Function function{one.id("id"), one.text("name")};
            if (std::ranges::count(out.all_, function.id, &Function::id))
                one.fail("id", say("\"{}\" is there already", function.id));
            one.each("providers", [&](Reader provider) { function.providers.push_back(readProvider(provider)); });
            if (function.providers.empty()) one.fail("providers", say("somebody has to play it"));
            out.all_.push_back(std::move(function));
        });
        for (const BlockType& type : blockTypes())
            out.blocks_.push_back({type.id, type.name, {Provider{.block = type.id}}});
        return out;
    });
}

Result<Functions> Functions::load(const std::filesystem::path& file) {
    auto out = readFile(file).and_then([](const std::string& bytes) { return read(bytes); });
    if (!out && out.error().file.empty()) out.error().file = file.string();
    return out;
}

const Function* Functions::find(std::string_view id) const {
    for (const std::vector<Function>* list : {&all_, &blocks_})
        if (const auto it = std::ranges::find(*list, id, &Function::id); it != list->end()) return &*it;
    return nullptr;
}

std::optional<BlockPoint> Seat::point(const std::string& word, bool output) const {
    const auto named = provider->jacks.find(word);
    if (named == provider->jacks.end() && !provider->sameWords) return std::nullopt;
    const std::string id = named == provider->jacks.end() ? word : withChannel(named->second, channel);
    const BlockType& type = *part->blocks[static_cast<std::size_t>(block)].type;
    const auto& list = output ? type.outputs : type.inputs;
    const auto it = std::ranges::find(list, id, &JackSpec::id);
    if (it == list.end()) return std::nullopt;
    return BlockPoint{block, static_cast<int>(it - list.begin())};
}

const JackInfo* Seat::jack(const std::string& word, bool output) const {
    const auto at = point(word, output);
    if (!at) return nullptr;
    const auto it = std::ranges::find_if(part->jacks,
                                         [&](const JackInfo& jack) { return jack.output == output && jack.at == *at; });
    return it == part->jacks.end() ? nullptr : &*it;
}

const KnobInfo* Seat::controlKnob(const std::string& control) const {
    const BlockType& type = *part->blocks[static_cast<std::size_t>(block)].type;
    const auto it = std::ranges::find(type.controls, control, &ControlSpec::id);
    if (it == type.controls.end()) return nullptr;
    const BlockPoint at{block, static_cast<int>(it - type.controls.begin())};
    const auto found = std::ranges::find(part->knobs, at, &KnobInfo::at);
    return found == part->knobs.end() ? nullptr : &*found;
}

std::vector<std::pair<const KnobInfo*, std::string>> Seat::knobs(const std::string& word) const {
    std::vector<Turn> turns;
    if (const auto named = provider->knobs.find(word); named != provider->knobs.end())
        turns = named->second;
    else if (provider->sameWords)
        turns.push_back({word, {}});
    std::vector<std::pair<const KnobInfo*, std::string>> out;
    for (const Turn& turn : turns) {
        const KnobInfo* knob = controlKnob(withChannel(turn.knob, channel));
        if (!knob) return {};
        out.emplace_back(knob, turn.is);
    }
    return out;
}

std::string Seat::blockKey() const {
    return fmt::format("{}/{}/{}", slot, part->id, block);
}

std::string Seat::key() const {
    if (provider->channels == 1) return blockKey();
    // Channels of different use are different ones: a lane is no track.
    for (const auto& [word, jack] : provider->jacks)
        if (jack.find("{n}") != std::string::npos) return fmt::format("{}/{}", blockKey(), withChannel(jack, channel));
    return fmt::format("{}/{}", blockKey(), channel);
}

std::vector<Seat> seatsOf(const Function& function, const Library& library, const Case& housing) {
    std::vector<Seat> out;
    for (const bool standIn : {false, true})
        for (const Slot& slot : housing.slots) {
            const ModuleInfo* module = slot.loose() ? nullptr : library.module(slot.module);
            if (!module) continue;
            for (const PartInfo& part : module->parts)
                for (std::size_t b = 0; b < part.blocks.size(); ++b)
                    for (const Provider& provider : function.providers) {
                        if (provider.standsIn() != standIn || part.blocks[b].type->id != provider.block) continue;
                        for (int channel = 1; channel <= provider.channels; ++channel) {
                            Seat seat{slot.id, slot.module, &part, static_cast<int>(b), channel, &provider};
                            // The panel may show fewer channels than the block has.
                            const bool shown = std::ranges::any_of(provider.jacks, [&](const auto& word) {
                                return word.second.find("{n}") != std::string::npos &&
                                       (seat.jack(word.first, true) || seat.jack(word.first, false));
                            });
                            const bool any = std::ranges::any_of(
                                part.jacks, [&](const JackInfo& jack) { return jack.at.block == seat.block; });
                            if (provider.channels > 1 ? shown : any) out.push_back(std::move(seat));
                        }
                    }
        }
    return out;
}

const Post* postAt(const Patch& patch, const std::string& slot, const std::string& part) {
    const auto it =
        std::ranges::find_if(patch.posts, [&](const Post& post) { return post.slot == slot && post.part == part; });
    return it == patch.posts.end() ? nullptr : &*it;
}

bool usesSeat(const Patch& patch, const Seat& seat) {
    const Post* post = postAt(patch, seat.slot, seat.part->id);
    if (!post) return false;
    if (seat.provider->channels == 1 && seat.part->blocks.size() == 1) return true;
    const auto patched = [&](const JackInfo& jack) {
        return std::ranges::any_of(patch.cables, [&](const Cable& cable) {
            const JackRef& end = jack.output ? cable.from : cable.to;
            return end.post == post->id && end.jack == jack.id;
        });
    };
    if (seat.provider->channels == 1)
        return std::ranges::any_of(
                   seat.part->jacks,
                   [&](const JackInfo& jack) { return jack.at.block == seat.block && patched(jack); }) ||
               seat.part->blocks.size() == 1;
    for (const auto& [word, jack] : seat.provider->jacks) {
        if (jack.find("{n}") == std::string::npos) continue;
        for (const bool output : {false, true})
            if (const JackInfo* shown = seat.jack(word, output); shown && patched(*shown)) return true;
    }
    return false;
}

bool holdsStepsOnly(const Patch& patch, const Seat& seat) {
    const BlockType& type = *seat.part->blocks[static_cast<std::size_t>(seat.block)].type;
    const Post* post = postAt(patch, seat.slot, seat.part->id);
    const Pattern* pattern =
        post && type.playsPattern && seat.provider->channels > 1 ? patch.pattern(post->id) : nullptr;
    if (!pattern || usesSeat(patch, seat)) return false;
    const auto hit = seat.provider->jacks.find("hit");
    const bool lane = hit != seat.provider->jacks.end() && hit->second.starts_with("drum");
    return notesIn(*pattern, {post->id, lane, seat.channel - 1}) > 0;
}

} // namespace lariat
