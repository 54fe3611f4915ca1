#include "building/capacity.h"
#include "library/words.h"
#include "maker/stand.h"
#include "maker/stand_words.h"

#include <algorithm>
#include <map>
#include <set>

namespace lariat {
namespace {

/// One part of the module, changed as its posts on the stand were.
class PartChanges {
  public:
    PartChanges(const Patch& patch, const ModuleInfo& module, const PartInfo& before, PartDescription& part, bool first)
        : patch_(patch), module_(module), before_(before), part_(part), first_(first) {}

    void take() {
        findBlocks();
        if (!fresh_.empty() && before_.blocks.size() == 1) giveEachItsBlock();
        addFresh();
        takeOut();
        takeWires();
        takeKnobs();
    }

  private:
    void findBlocks() {
        for (const PartBlock& block : before_.blocks) {
            const std::string post = stand::blockPost(before_.id, block.id);
            if (patch_.post(post))
                blocks_[post] = block.id;
            else
                gone_.insert(block.id);
        }
        for (const Post& post : patch_.posts) {
            if (!post.slot.starts_with(stand::kShelf)) continue;
            const bool here = post.voice == before_.name || (first_ && post.voice.empty());
            if (here) fresh_.push_back(&post);
        }
    }

    [[nodiscard]] const BlockType& typeOf(const BlockPoint& at) const {
        return *before_.blocks[static_cast<std::size_t>(at.block)].type;
    }
    [[nodiscard]] std::string pointOf(const BlockPoint& at, const std::string& word) const {
        return before_.blocks[static_cast<std::size_t>(at.block)].id + "." + word;
    }
    [[nodiscard]] std::string jackPoint(const JackInfo& jack, const BlockPoint& at) const {
        const BlockType& type = typeOf(at);
        return pointOf(at, (jack.output ? type.outputs : type.inputs)[static_cast<std::size_t>(at.index)].id);
    }
    [[nodiscard]] std::string controlPoint(const BlockPoint& at) const {
        return pointOf(at, typeOf(at).controls[static_cast<std::size_t>(at.index)].id);
    }

    /// With one block its name goes without saying, and all of it may stand on the panel; with a second one it has to
    /// be said.
    void giveEachItsBlock() {
        std::vector<JackDescription> jacks;
        for (const JackInfo& info : before_.jacks) {
            const auto it = std::ranges::find(part_.jacks, info.id, &JackDescription::id);
            JackDescription jack = it != part_.jacks.end() ? *it : JackDescription{};
            jack.id = info.id;
            jack.at = jackPoint(info, info.at);
            if (info.right) jack.right = jackPoint(info, *info.right);
            jacks.push_back(std::move(jack));
        }
        std::vector<KnobDescription> knobs;
        for (const KnobInfo& info : before_.knobs) {
            const auto it = std::ranges::find(part_.knobs, info.id, &KnobDescription::id);
            KnobDescription knob = it != part_.knobs.end() ? *it : KnobDescription{};
            knob.id = info.id;
            knob.at = controlPoint(info.at);
            for (std::size_t m = 0; m < knob.meanings.size(); ++m)
                if (info.meanings[m].at) knob.meanings[m].at = controlPoint(*info.meanings[m].at);
            knobs.push_back(std::move(knob));
        }
        part_.jacks = std::move(jacks);
        part_.knobs = std::move(knobs);
        part_.showsAll = false;
    }

    void addFresh() {
        std::set<std::string> taken;
        for (const BlockUse& use : part_.blocks) taken.insert(use.id);
        for (const Post* post : fresh_) {
            const std::string type = post->slot.substr(stand::kShelf.size());
            const std::string base = idFrom(post->name, 40).empty() ? type : idFrom(post->name, 40);
            std::string id = base;
            for (int n = 2; !taken.insert(id).second; ++n) id = fmt::format("{}-{}", base, n);
            part_.blocks.push_back({id, type, post->knobs});
            blocks_[post->id] = id;
        }
    }

    /// Blocks whose posts are gone, and what stood on the panel for them.
    void takeOut() {
        if (gone_.empty() || gone_.size() >= part_.blocks.size()) return;
        std::erase_if(part_.blocks, [&](const BlockUse& use) { return gone_.contains(use.id); });
        std::set<std::string> jacks;
        std::set<std::string> knobs;
        const auto isGone = [&](const BlockPoint& at) {
            return gone_.contains(before_.blocks[static_cast<std::size_t>(at.block)].id);
        };
        for (const JackInfo& jack : before_.jacks)
            if (isGone(jack.at) || (jack.right && isGone(*jack.right))) jacks.insert(jack.id);
        for (const KnobInfo& knob : before_.knobs)
            if (isGone(knob.at) || std::ranges::any_of(knob.meanings, [&](const Meaning& meaning) {
                    return meaning.at && isGone(*meaning.at);
                }))
                knobs.insert(knob.id);
        std::erase_if(part_.jacks, [&](const JackDescription& jack) { return jacks.contains(jack.id); });
        std::erase_if(part_.knobs, [&](const KnobDescription& knob) { return knobs.contains(knob.id); });
        std::erase_if(part_.mainKnobs, [&](const std::string& id) { return knobs.contains(id); });
        std::erase_if(part_.normals, [&](const auto& normal) { return jacks.contains(normal.first); });
        const auto speaksOfGone = [&](const MeaningDescription& meaning) {
            return jacks.contains(meaning.plugged) ||
                   std::ranges::any_of(meaning.modes,
                                       [&](const ModeDescription& mode) { return knobs.contains(mode.knob); });
        };
        for (JackDescription& jack : part_.jacks) std::erase_if(jack.meanings, speaksOfGone);
        for (KnobDescription& knob : part_.knobs) std::erase_if(knob.meanings, speaksOfGone);
    }

    /// The stand shows normals as rows too; they are no wires.
    [[nodiscard]] bool isNormal(const InnerWire& wire) const {
        return std::ranges::any_of(before_.jacks, [&](const JackInfo& jack) {
            if (jack.output || !jack.normal || jackPoint(jack, jack.at) != wire.to) return false;
            const auto [part, out] = stand::sourceOfNormals(module_, jack);
            return part == &before_ && jackPoint(*out, out->at) == wire.from;
        });
    }

    void takeWires() {
        std::vector<InnerWire> wires;
        for (const Cable& cable : patch_.cables) {
            const auto from = blocks_.find(cable.from.post);
            const auto to = blocks_.find(cable.to.post);
            if (from == blocks_.end() || to == blocks_.end()) continue;
            InnerWire wire{from->second + "." + cable.from.jack, to->second + "." + cable.to.jack};
            if (!isNormal(wire)) wires.push_back(std::move(wire));
        }
        // Those that were there keep their order, so that the lines change only where something was tied.
        std::vector<InnerWire> ordered;
        for (const WireInfo& wire : before_.wires) {
            const InnerWire was{
                pointOf(wire.from, typeOf(wire.from).outputs[static_cast<std::size_t>(wire.from.index)].id),
                pointOf(wire.to, typeOf(wire.to).inputs[static_cast<std::size_t>(wire.to.index)].id)};
            if (std::erase(wires, was) > 0) ordered.push_back(was);
        }
        ordered.insert(ordered.end(), wires.begin(), wires.end());
        if (ordered.size() != part_.wires.size() || !wires.empty()) part_.wires = std::move(ordered);
    }

    void takeKnobs() {
        for (std::size_t b = 0; b < before_.blocks.size(); ++b) {
            const PartBlock& block = before_.blocks[b];
            const Post* post = patch_.post(stand::blockPost(before_.id, block.id));
            if (!post || gone_.contains(block.id)) continue;
            for (std::size_t c = 0; c < block.type->controls.size(); ++c) {
                const ControlSpec& control = block.type->controls[c];
                const auto turned = post->knobs.find(control.id);
                if (turned == post->knobs.end() || control.momentary) continue;
                takeKnob(block, {static_cast<int>(b), static_cast<int>(c)}, control, turned->second);
            }
        }
    }

    /// A knob of the panel begins there then; else the block is put there for good.
    void takeKnob(const PartBlock& block, const BlockPoint& at, const ControlSpec& control, double value) {
        const auto knob = std::ranges::find(before_.knobs, at, &KnobInfo::at);
        if (knob != before_.knobs.end()) {
            if (value == knob->initial || value < knob->scale.min || value > knob->scale.max) return;
            auto it = std::ranges::find(part_.knobs, knob->id, &KnobDescription::id);
            if (it == part_.knobs.end()) { // it stands there with all of its block
                part_.knobs.push_back({knob->id, "", "", {}, {}, {}, {}, {}, {}});
                it = part_.knobs.end() - 1;
            }
            it->initial = value;
            return;
        }
        const auto use = std::ranges::find(part_.blocks, block.id, &BlockUse::id);
        if (use == part_.blocks.end()) return;
        if (value == control.initial)
            use->fixed.erase(control.id);
        else
            use->fixed[control.id] = value;
    }

    const Patch& patch_;
    const ModuleInfo& module_;
    const PartInfo& before_;
    PartDescription& part_;
    bool first_;
    std::map<std::string, std::string, std::less<>> blocks_; ///< post → block
    std::set<std::string> gone_;
    std::vector<const Post*> fresh_;
};

} // namespace

bool isBlockOnStand(const std::string& post) {
    return post.starts_with("in-");
}

Post postFromShelf(const Patch& patch, const Library& library, const BlockType& type, const std::string& part) {
    Slot slot;
    slot.id = std::string(stand::kShelf) + type.id;
    slot.module = stand::blockModule(type.id);
    const ModuleInfo* module = library.module(slot.module);
    return postFor(patch, {&slot, module, &module->parts.front()}, part);
}

ModuleDescription asOnStand(const Patch& patch, const ModuleInfo& module) {
    ModuleDescription out = module.description;
    for (std::size_t p = 0; p < module.parts.size(); ++p)
        PartChanges(patch, module, module.parts[p], out.parts[p], p == 0).take();
    // Normals of other parts that led to what is gone.
    const auto leads = [&](const std::string& from) {
        const auto dot = from.find('.');
        const auto part = std::ranges::find(out.parts, from.substr(0, dot), &PartDescription::id);
        const PartInfo* before = module.part(from.substr(0, dot));
        const bool was = before && before->jack(from.substr(dot + 1));
        return !was || part->jacks.empty() ||
               std::ranges::find(part->jacks, from.substr(dot + 1), &JackDescription::id) != part->jacks.end() ||
               part->showsAll;
    };
    for (PartDescription& part : out.parts)
        std::erase_if(part.normals, [&](const auto& normal) { return !leads(normal.second); });
    return out;
}

} // namespace lariat
