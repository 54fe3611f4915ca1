#include "engine/envelope_shape.h"

#include "engine/solo.h"
#include "library/meaning.h"

#include <algorithm>
#include <cmath>

namespace lariat {
namespace {

constexpr std::string_view kContour = "contour";
constexpr std::string_view kFunction = "function-generator";
constexpr int kRuns = 12;              ///< of kRun samples: the picture is that many columns wide
constexpr double kRestingShare = 0.25; ///< of the stages, for which a gate that is not known stays open behind them

/// Where a control of the contour stands: its knob, what the part fixes, or its initial value.
struct Standing {
    const PartInfo& part;
    const Post& post;
    int block;

    [[nodiscard]] std::size_t index(std::string_view id) const {
        const auto& controls = part.blocks[idx(block)].type->controls;
        return idx(std::ranges::find(controls, id, &ControlSpec::id) - controls.begin());
    }
    [[nodiscard]] double at(std::size_t control) const {
        const PartBlock& use = part.blocks[idx(block)];
        static const Patch unplugged;
        for (const KnobInfo& knob : part.knobs)
            if (const KnobInForce now = knobInForce(unplugged, post, part, knob);
                now.at == BlockPoint{block, static_cast<int>(control)})
                return now.value;
        const auto fixed = use.fixed.find(static_cast<int>(control));
        return fixed != use.fixed.end() ? fixed->second : use.type->controls[control].initial;
    }
};

/// The first block of that type; -1 if there is none.
int blockOf(const PartInfo& part, std::string_view type) {
    const auto found = std::ranges::find_if(part.blocks, [&](const PartBlock& b) { return b.type->id == type; });
    return found == part.blocks.end() ? -1 : static_cast<int>(found - part.blocks.begin());
}

std::size_t jackOf(const std::vector<JackSpec>& jacks, std::string_view id) {
    return idx(std::ranges::find(jacks, id, &JackSpec::id) - jacks.begin());
}

enum Mode { Adsr, Ar, Ad, Ahr, Adar }; ///< positions of the contour's switch

/// Runs the block alone, struck once, and keeps the outputs from the first one on.
void draw(EnvelopeShape& shape, const BlockType& type, const Standing& standing, std::string_view struckAt,
          const std::vector<std::size_t>& related) {
    Setup setup;
    setup.rate = kRuns * kRun / shape.seconds;
    Solo solo(type, setup);
    for (std::size_t c = 0; c < type.controls.size(); ++c) solo.setControl(c, static_cast<float>(standing.at(c)));
    const std::size_t gate = jackOf(type.inputs, struckAt);
    shape.related.resize(related.size());
    Transport transport;
    for (int run = 0; run < kRuns; ++run) {
        Signal& in = solo.feed(gate);
        in.list->clear();
        in.list->listed = true;
        const double begin = run * kRun;
        for (int i = 0; i < kRun; ++i) in[i] = begin + i < shape.gate * setup.rate ? 8.0f : 0.0f;
        if (run == 0) in.list->add(0.0f, true);
        const double end = shape.gate * setup.rate - begin;
        if (end > 0.0 && end <= kRun - 1) in.list->add(static_cast<float>(end), false);
        solo.run(transport);
        const auto keep = [&](std::vector<float>& line, std::size_t output) {
            const Signal& made = solo.out(output);
            for (int i = 0; i < kRun; ++i) line.push_back(made[i]);
        };
        keep(shape.volts, 0);
        for (std::size_t r = 0; r < related.size(); ++r) keep(shape.related[r], related[r]);
    }
}

/// One rise and fall, struck by a trigger.
EnvelopeShape functionShape(const BlockType& type, const Standing& standing) {
    EnvelopeShape out;
    out.function = true;
    out.decays = out.followsGate = false;
    out.attackEnd = out.decayEnd = standing.at(standing.index("rise"));
    out.sustain = 8.0; // the summit, where the fall begins
    out.releaseEnd = out.attackEnd + standing.at(standing.index("fall"));
    out.seconds = out.releaseEnd * 1.03 + 1e-4;
    out.gate = out.seconds / 64.0; // a trigger, wide enough to be seen
    draw(out, type, standing, "trigger",
         {jackOf(type.outputs, "related-1"), jackOf(type.outputs, "related-2"), jackOf(type.outputs, "related-3"),
          jackOf(type.outputs, "related-4")});
    for (std::vector<float>& line : out.related) // around zero when it cycles: drawn from its lowest
        if (std::ranges::min(line) < -0.5f)
            for (float& volts : line) volts += 0.5f * static_cast<float>(out.sustain);
    return out;
}

} // namespace

std::optional<EnvelopeForm> envelopeForm(const BlockType& type, const std::vector<double>& controls) {
    const auto place = [&](const char* id) {
        return static_cast<int>(std::ranges::find(type.controls, id, &ControlSpec::id) - type.controls.begin());
    };
    EnvelopeForm form;
    if (type.id == kFunction) {
        form.attack = place("rise");
        form.release = place("fall");
        form.loop = place("cycle");
    } else if (type.id == kContour) {
        form.mode = place("type");
        const int mode = static_cast<int>(controls[idx(form.mode)]);
        form.attack = place("attack");
        form.decay = mode == Ar ? -1 : place("decay");
        form.release = mode == Ad ? -1 : place("release");
        form.sustain = mode == Adsr || mode == Adar ? place("sustain") : -1;
        form.loop = place("loop");
        form.followsGate = mode == Adsr || mode == Ar;
        form.holds = mode == Ar || (mode == Adsr && controls[idx(form.sustain)] >= 1.0);
        form.needsGate = form.holds || mode == Ahr;
        form.finishes = controls[idx(place("short-gate"))] == 1.0;
    } else {
        return std::nullopt;
    }
    form.loops = controls[idx(form.loop)] > 0.5;
    return form;
}

EnvelopeKnobs envelopeKnobs(const PartInfo& part) {
    const std::string_view type = blockOf(part, kContour) >= 0 ? kContour : kFunction;
    const int block = blockOf(part, type);
    if (block < 0) return {};
    const auto knob = [&](const char* control) -> const KnobInfo* {
        const KnobInfo* found = part.knobFor(type, control);
        return found && found->at.block == block ? found : nullptr;
    };
    if (type == kFunction) return {knob("rise"), nullptr, nullptr, knob("fall")};
    return {knob("attack"), knob("decay"), knob("sustain"), knob("release")};
}

std::optional<EnvelopeShape> envelopeShape(const Post& post, const PartInfo& part, std::optional<double> gateSeconds) {
    const int contour = blockOf(part, kContour);
    const int block = contour >= 0 ? contour : blockOf(part, kFunction);
    if (block < 0) return std::nullopt;
    const BlockType& type = *part.blocks[idx(block)].type;
    const Standing standing{part, post, block};
    if (contour < 0) return functionShape(type, standing);
    const auto seconds = [&](const char* control) { return standing.at(standing.index(control)); };
    const int mode = static_cast<int>(standing.at(standing.index("type")));
    const bool decays = mode != Ar;   // AR has none
    const bool releases = mode != Ad; // nor AD a release
    const double attack = seconds("attack");
    const double decay = decays ? seconds("decay") : 0.0;
    const double release = releases ? seconds("release") : 0.0;
    EnvelopeShape out;
    out.attackEnd = attack;
    out.decayEnd = attack + decay;
    out.sustain = 0.08 * standing.at(standing.index("level")) *
                  (mode == Adsr || mode == Adar ? 0.01 * seconds("sustain")
                   : mode == Ad                 ? 0.0
                                                : 1.0);
    out.gate = gateSeconds.value_or((attack + decay) * (1.0 + kRestingShare));
    const bool holds = mode == Adsr || mode == Ar; // the others go on by themselves
    out.decays = decays;
    out.releases = releases;
    out.followsGate = holds;
    out.releaseEnd = (holds ? std::max(out.gate, 0.001) : out.decayEnd) + release;
    if (mode == Adar) out.releaseEnd += attack;
    out.seconds = std::max({out.releaseEnd, out.gate, out.decayEnd}) * 1.03 + 1e-4;

    draw(out, type, standing, "gate", {});
    return out;
}

} // namespace lariat
