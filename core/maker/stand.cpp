#include "maker/stand.h"

#include "maker/stand_words.h"

#include <algorithm>
#include <array>
#include <set>

#include <fmt/format.h>

namespace lariat {
namespace {

constexpr const char* kStand = "test-stand";

/// Every block as a module that shows all of it.
ModuleInfo moduleOf(const BlockType& type) {
    ModuleDescription out;
    out.id = stand::blockModule(type.id);
    out.name = type.name;
    out.about = type.about;
    out.hp = 8;
    PartDescription part;
    part.id = stand::kOnly;
    part.name = type.name;
    part.blocks.push_back({type.id, type.id, {}});
    out.parts.push_back(std::move(part));
    return *resolveModule(out); // it names nothing that could be missing
}

/// Four notes over and over, so that the stand plays by itself.
Performance tune(const std::string& post) {
    Performance out;
    out.post = post;
    out.tempo = 110.0;
    out.lengthBeats = 8.0;
    double beat = 0.0;
    constexpr std::array<std::uint8_t, 4> kNotes = {50, 53, 57, 62}; // D3 F3 A3 D4
    for (const std::uint8_t note : kNotes) {
        out.messages.push_back({beat, {0x90, note, 100}});
        out.messages.push_back({beat + 1.2, {0x80, note, 0}});
        beat += 2.0;
    }
    return out;
}

class Builder {
  public:
    Builder(const ModuleInfo& module, const Library& material, StandView view, const Stand* before,
            const Speaker& speak)
        : module_(module), view_(view), before_(before), speak_(speak), onStand_(speak(say("on the stand"))) {
        Library& library = out_.workspace.library;
        library.borrowMaterial(material);
        for (const BlockType& type : blockTypes()) library.add(moduleOf(type));
        library.add(module);
        Case housing;
        housing.id = kStand;
        housing.name = speak_(say("Test stand"));
        housing.rows = 1;
        housing.hpPerRow = kMostColumns;
        housing.supply = {100'000, 100'000, 100'000};
        housing.cables = {{300, "grey", 1000}};
        housing_ = housing;
        out_.patch.caseId = kStand;
        out_.patch.title = module.description.name;
        out_.patch.about = module.description.about;
    }

    Stand build() {
        addPost("keys", speak_(say("Keys")), "keys");
        addPost("clock", speak_(say("Clock")), "clock");
        out_.patch.performances.emplace_back(tune("keys"));
        addPost("way-out", speak_(say("Way out")), "line-out");
        if (view_ == StandView::Panel)
            for (const PartInfo& part : module_.parts) addPart(part);
        else
            for (const PartInfo& part : module_.parts) addBlocks(part);
        tieInputs();
        tieOutputs();
        if (before_) keepWhatWasDone();
        placeAll();
        return std::move(out_);
    }

  private:
    Post& addPost(const std::string& id, const std::string& name, const std::string& type) {
        Post post;
        post.id = id;
        post.name = name;
        post.slot = id;
        post.module = stand::blockModule(type);
        post.part = stand::kOnly;
        out_.patch.posts.push_back(std::move(post));
        return out_.patch.posts.back();
    }

    /// A helper of the stand, once it is needed.
    const char* helper(const char* id, const Sentence& name, const char* type) {
        if (!out_.patch.post(id)) addPost(id, speak_(name), type);
        return id;
    }

    void addPart(const PartInfo& part) {
        Post post;
        post.id = "made-" + part.id;
        post.name = part.name;
        post.slot = "made";
        post.module = module_.description.id;
        post.part = part.id;
        post.voice = part.name;
        out_.patch.posts.push_back(std::move(post));
    }

    static std::string blockPost(const PartInfo& part, const PartBlock& block) {
        return stand::blockPost(part.id, block.id);
    }

    void addBlocks(const PartInfo& part) {
        for (const PartBlock& block : part.blocks) {
            Post& post = addPost(blockPost(part, block),
                                 module_.parts.size() == 1 ? block.id : part.name + " " + block.id, block.type->id);
            post.slot = part.id + "." + block.id;
            post.voice = part.name;
            for (const auto& [control, value] : block.fixed) {
                const std::string& id = block.type->controls[static_cast<std::size_t>(control)].id;
                post.knobs[id] = value;
                fixed_.emplace(post.id, id);
            }
        }
        for (const KnobInfo& knob : part.knobs)
            if (!knob.momentary)
                if (Post* post = own(blockPost(part, part.blocks[static_cast<std::size_t>(knob.at.block)])))
                    post->knobs[controlOf(part, knob).id] = knob.initial;
        for (const WireInfo& wire : part.wires)
            tie(pointOf(part, wire.from, true), pointOf(part, wire.to, false), part.name,
                speak_(say("behind the panel")));
    }

    static const ControlSpec& controlOf(const PartInfo& part, const KnobInfo& knob) {
        const BlockType& type = *part.blocks[static_cast<std::size_t>(knob.at.block)].type;
        return type.controls[static_cast<std::size_t>(knob.at.index)];
    }

    Post* own(const std::string& id) {
        const auto it = std::ranges::find(out_.patch.posts, id, &Post::id);
        return it == out_.patch.posts.end() ? nullptr : &*it;
    }

    static JackRef pointOf(const PartInfo& part, const BlockPoint& at, bool output) {
        const PartBlock& block = part.blocks[static_cast<std::size_t>(at.block)];
        const auto& specs = output ? block.type->outputs : block.type->inputs;
        return {blockPost(part, block), specs[static_cast<std::size_t>(at.index)].id};
    }

    /// A jack of the panel, where it is found in this view.
    [[nodiscard]] JackRef jackOf(const PartInfo& part, const JackInfo& jack) const {
        if (view_ == StandView::Panel) return {"made-" + part.id, jack.id};
        return pointOf(part, jack.at, jack.output);
    }

    void tie(const JackRef& from, const JackRef& to, const std::string& voice, const std::string& step) {
        if (out_.patch.cableInto(to)) return;
        Cable cable;
        cable.id = out_.patch.freshCableId();
        cable.from = from;
        cable.to = to;
        cable.voice = voice;
        cable.step = step;
        out_.patch.cables.push_back(std::move(cable));
    }

    /// What a jack is for: of one that only passes on (a mult, an adder), what stands behind it on the wires decides.
    static SignalKind kindOf(const PartInfo& part, const BlockPoint& at, bool output, int depth = 4) {
        const BlockType& type = *part.blocks[static_cast<std::size_t>(at.block)].type;
        const auto& specs = output ? type.outputs : type.inputs;
        const SignalKind own = specs[static_cast<std::size_t>(at.index)].kind;
        if (own != SignalKind::Control || depth == 0) return own;
        const bool passes = std::ranges::any_of(flowsOf(type), [&](const Flow& flow) {
            return flow.does == Does::Passes &&
                   (output ||
                    std::ranges::find(flow.inputs, specs[static_cast<std::size_t>(at.index)].id) != flow.inputs.end());
        });
        if (!passes) return own;
        for (const WireInfo& wire : part.wires) {
            const BlockPoint& here = output ? wire.to : wire.from;
            if (here.block != at.block) continue;
            const SignalKind other = kindOf(part, output ? wire.from : wire.to, output, depth - 1);
            if (other != SignalKind::Control) return other;
        }
        return own;
    }
    static SignalKind kindOf(const PartInfo& part, const JackInfo& jack) { return kindOf(part, jack.at, jack.output); }

    /// Sound that goes through, a gate that starts something, a clock that leads on: what resets, holds or bends is
    /// left for the hand.
    static bool isFor(const PartInfo& part, const JackInfo& jack) {
        const BlockType& type = *part.blocks[static_cast<std::size_t>(jack.at.block)].type;
        const std::string& id = type.inputs[static_cast<std::size_t>(jack.at.index)].id;
        const auto flows = flowsOf(type);
        return std::ranges::any_of(flows, [&](const Flow& flow) {
            return flow.does != Does::Resets && flow.does != Does::Holds && flow.does != Does::Moves &&
                   std::ranges::find(flow.inputs, id) != flow.inputs.end();
        });
    }

    void tieInputs() {
        for (const PartInfo& part : module_.parts) {
            const bool pitched = std::ranges::any_of(
                part.jacks, [&](const JackInfo& j) { return !j.output && kindOf(part, j) == SignalKind::Pitch; });
            for (const JackInfo& jack : part.jacks) {
                if (jack.output) continue;
                const JackRef to = jackOf(part, jack);
                if (jack.normal) {
                    const auto [source, out] = stand::sourceOfNormals(module_, jack);
                    if (view_ == StandView::Behind && out)
                        tie(jackOf(*source, *out), to, part.name, speak_(say("normals")));
                    continue;
                }
                if (!isFor(part, jack)) continue;
                switch (kindOf(part, jack)) {
                case SignalKind::Pitch:
                    tie({"keys", "pitch-1"}, to, part.name, onStand_);
                    break;
                case SignalKind::Gate:
                    tie(pitched ? JackRef{"keys", "gate-1"} : JackRef{"clock", "beat"}, to, part.name, onStand_);
                    break;
                case SignalKind::Clock:
                    tie({"clock", "sixteenths"}, to, part.name, onStand_);
                    break;
                case SignalKind::Audio:
                    if (!out_.patch.post("tone")) {
                        helper("tone", say("Test tone"), "vco");
                        tie({"keys", "pitch-1"}, {"tone", "voct"}, "", onStand_);
                    }
                    tie({"tone", "saw"}, to, part.name, onStand_);
                    break;
                case SignalKind::Control:
                    break; // its knob is heard without it
                }
            }
        }
    }

    /// Something else of the module hears it behind the panel: it is not the end of the way.
    [[nodiscard]] bool isLent(const PartInfo& part, const JackInfo& jack) const {
        return std::ranges::any_of(module_.parts, [&](const PartInfo& other) {
            return std::ranges::any_of(other.jacks, [&](const JackInfo& to) {
                return to.normal && to.normal->part == part.id && to.normal->jack == jack.id;
            });
        });
    }

    /// Outputs of that kind, up to two of one part: of the last one where the parts lead into one another, else of the
    /// first.
    [[nodiscard]] std::vector<JackRef> outputs(SignalKind kind) const {
        std::vector<std::vector<JackRef>> byPart;
        bool lent = false;
        for (const PartInfo& part : module_.parts) {
            std::vector<JackRef> out;
            for (const JackInfo& jack : part.jacks) {
                if (!jack.output || kindOf(part, jack) != kind) continue;
                if (isLent(part, jack))
                    lent = true;
                else if (out.size() < 2)
                    out.push_back(jackOf(part, jack));
            }
            if (!out.empty()) byPart.push_back(std::move(out));
        }
        if (byPart.empty()) return {};
        return lent ? byPart.back() : byPart.front();
    }

    void tieOutputs() {
        if (const auto sound = outputs(SignalKind::Audio); !sound.empty()) {
            tie(sound.front(), {"way-out", "left"}, "", onStand_);
            tie(sound.back(), {"way-out", "right"}, "", onStand_);
            return;
        }
        // What makes no sound is heard in a voice: it tunes it, opens it, or strikes it.
        helper("tone", say("Test tone"), "vco");
        helper("level", say("Level"), "vca");
        const auto pitch = outputs(SignalKind::Pitch);
        tie(pitch.empty() ? JackRef{"keys", "pitch-1"} : pitch.front(), {"tone", "voct"}, "", onStand_);
        tie({"tone", "triangle"}, {"level", "in"}, "", onStand_);
        auto gates = outputs(SignalKind::Gate);
        if (gates.empty()) gates = outputs(SignalKind::Clock);
        if (const auto control = outputs(SignalKind::Control); gates.empty() && pitch.empty() && !control.empty()) {
            tie(control.front(), {"level", "lin-cv"}, "", onStand_);
        } else {
            helper("contour", say("Contour"), "contour");
            tie(gates.empty() ? JackRef{"keys", "gate-1"} : gates.front(), {"contour", "gate"}, "", onStand_);
            tie({"contour", "out"}, {"level", "lin-cv"}, "", onStand_);
        }
        tie({"level", "out"}, {"way-out", "left"}, "", onStand_);
        tie({"level", "out"}, {"way-out", "right"}, "", onStand_);
    }

    [[nodiscard]] bool hasJack(const Patch& patch, const Library& library, const JackRef& ref) const {
        return library.jack(patch, ref) != nullptr;
    }

    /// A wire of the module, which the module alone decides.
    [[nodiscard]] static bool isInner(const Cable& cable) {
        return isBlockOnStand(cable.from.post) && isBlockOnStand(cable.to.post);
    }

    void keepWhatWasDone() {
        Patch& patch = out_.patch;
        const Patch& was = before_->patch;
        for (Post& post : patch.posts) {
            const Post* old = was.post(post.id);
            if (!old || old->module != post.module || old->part != post.part) continue;
            const PartInfo* part = out_.workspace.library.part(post);
            for (const auto& [id, value] : old->knobs) {
                const KnobInfo* knob = part->knob(id);
                if (knob && !fixed_.contains({post.id, id}) && value >= knob->scale.min && value <= knob->scale.max)
                    post.knobs[id] = value;
            }
        }
        if (was.cables.empty()) return;
        // Inputs that were there before are tied as somebody left them; what is new, as usual.
        std::vector<Cable> cables;
        for (const Cable& cable : patch.cables)
            if (isInner(cable) || !hasJack(was, before_->workspace.library, cable.to)) cables.push_back(cable);
        for (const Cable& cable : was.cables) {
            const JackInfo* from = out_.workspace.library.jack(patch, cable.from);
            const JackInfo* to = out_.workspace.library.jack(patch, cable.to);
            const bool taken = std::ranges::any_of(cables, [&](const Cable& one) { return one.to == cable.to; });
            if (from && to && from->output && !to->output && !taken && !isInner(cable)) cables.push_back(cable);
        }
        int id = 0;
        for (Cable& cable : cables) cable.id = ++id;
        patch.cables = std::move(cables);
    }

    void placeAll() {
        int column = 1;
        std::set<std::string> placed;
        for (const Post& post : out_.patch.posts) {
            if (!placed.insert(post.slot).second) continue;
            const int hp = out_.workspace.library.module(post.module)->description.hp;
            Slot slot;
            slot.id = post.slot;
            slot.module = post.module;
            slot.column = column;
            column += hp;
            housing_.slots.push_back(std::move(slot));
        }
        out_.workspace.cases[kStand] = housing_;
    }

    const ModuleInfo& module_;
    StandView view_;
    const Stand* before_;
    const Speaker& speak_;
    std::string onStand_;
    Case housing_;
    std::set<std::pair<std::string, std::string>> fixed_; ///< posts' controls that no knob of the panel sets
    Stand out_;
};

} // namespace

Stand makeStand(const ModuleInfo& module, const Library& material, StandView view, const Stand* before,
                const Speaker& speak) {
    return Builder(module, material, view, before, speak).build();
}

} // namespace lariat
