#include "engine/render.h"

#include "engine/resampler.h"
#include "library/meaning.h"
#include "units/level.h"

#include <algorithm>
#include <cmath>

#include <fmt/format.h>

namespace lariat {

std::vector<float> convertMix(std::span<const float> left, std::span<const float> right, double fromRate,
                              double toRate) {
    constexpr float kPerVolt = static_cast<float>(1.0 / kFullScaleVolts);
    constexpr std::size_t kPiece = 512; // frames
    const auto frames = idx(std::floor(static_cast<double>(left.size()) * toRate / fromRate));
    std::vector<float> out(2 * frames);
    std::array<float, 2 * kPiece> piece;
    std::size_t taken = 0;
    Resampler resampler(fromRate, toRate);
    resampler.fill(out, [&]() -> std::span<const float> {
        for (std::size_t i = 0; i < kPiece; ++i, ++taken) { // silence behind the end pushes out the last frames
            piece[2 * i] = taken < left.size() ? kPerVolt * left[taken] : 0.0f;
            piece[2 * i + 1] = taken < left.size() ? kPerVolt * right[taken] : 0.0f;
        }
        return piece;
    });
    return out;
}

Renderer::Renderer(const Patch& patch, const Library& library, Settings settings)
    : patch_(patch), library_(&library), settings_(std::move(settings)), transport_(std::make_unique<Transport>()) {}

Result<Renderer> Renderer::make(const Patch& patch, const Library& library, Settings settings) {
    Renderer made(patch, library, std::move(settings));
    for (const JackRef& probe : made.settings_.probes)
        if (!library.jack(patch, probe))
            return failure(say("\"{}\" is not a jack in this patch; probes are written post.jack", probe.text()));
    made.schedule_ = std::make_unique<Schedule>(
        patch, library,
        EngineSettings{
            made.settings_.rate, made.settings_.realCase, made.settings_.silenced, {}, made.settings_.scenes},
        made.settings_.probes);
    auto probes = made.probesOf(*made.schedule_);
    if (!probes) return tl::unexpected(probes.error());
    made.probes_ = std::move(*probes);
    return made;
}

Result<std::vector<const Signal*>> Renderer::probesOf(const Schedule& schedule) const {
    std::vector<const Signal*> probes;
    for (const JackRef& probe : settings_.probes) {
        const Signal* signal = schedule.signal(probe);
        if (!signal) return failure(say("nothing feeds \"{}\", so there is nothing to record there", probe.text()));
        probes.push_back(signal);
    }
    return probes;
}

void Renderer::reset() {
    schedule_->reset();
    *transport_ = {};
}

Result<void> Renderer::setPatch(const Patch& patch) {
    const Change change = planChange(patch_, patch, *library_);
    if (change.compile) {
        auto next = std::make_unique<Schedule>(
            patch, *library_,
            EngineSettings{settings_.rate, settings_.realCase, settings_.silenced, {}, settings_.scenes},
            settings_.probes);
        auto probes = probesOf(*next); // before anything is handed over: a refused patch changes nothing
        if (!probes) return tl::unexpected(probes.error());
        next->inheritFrom(*schedule_);
        next->takeOver(*schedule_);
        schedule_ = std::move(next);
        probes_ = std::move(*probes);
    }
    for (const Change::Knob& knob : change.knobs)
        schedule_->setControl(schedule_->controlSlot(knob.post, knob.knob), static_cast<float>(knob.value));
    for (const std::string& id : change.materials)
        for (const int player : schedule_->playersOf(id)) {
            Material material = materialOf(patch, *library_, *patch.post(id));
            schedule_->exchange(player, material);
        }
    patch_ = patch;
    return {};
}

/// The control that a knob sets now; `value`, of the knob, becomes that of the control.
Result<int> Renderer::slotOf(const std::string& post, const std::string& knob, double& value) const {
    const Post* found = patch_.post(post);
    if (!found) return failure(say("there is no post \"{}\"", post));
    const PartInfo& part = *library_->part(*found);
    const KnobInfo* info = part.knob(knob);
    if (!info) return failure(say("{} has no knob \"{}\"", found->name, knob));
    if (!(value >= info->scale.min && value <= info->scale.max))
        return failure(say("{:g} is outside its range, {}", value, info->scale.expectation()));
    Post turned = *found;
    turned.knobs[knob] = value;
    value = knobInForce(patch_, turned, part, *info).value;
    return schedule_->controlSlot(post, knob);
}

Result<void> Renderer::setControl(const std::string& post, const std::string& knob, double value) {
    const auto slot = slotOf(post, knob, value);
    if (!slot) return tl::unexpected(slot.error());
    schedule_->setControl(*slot, static_cast<float>(value));
    return {};
}

Result<void> Renderer::moveControl(const std::string& post, const std::string& knob, double value, double seconds) {
    const auto slot = slotOf(post, knob, value);
    if (!slot) return tl::unexpected(slot.error());
    schedule_->moveControl(*slot, static_cast<float>(value),
                           static_cast<int>(std::lround(seconds * settings_.rate / kRun)));
    return {};
}

bool Renderer::run(double seconds, const Sink& sink) {
    const FlushDenormals flush;
    const auto runs = idx(std::ceil(seconds * settings_.rate / kRun));
    for (std::size_t run = 0; run < runs; ++run) {
        schedule_->run(*transport_);
        const RunView view{std::span<const float, kRun>(schedule_->left(), kRun),
                           std::span<const float, kRun>(schedule_->right(), kRun), probes_, transport_->beats};
        if (!sink(view)) return false;
    }
    return true;
}

Result<Rendering> render(const Patch& patch, const Library& library, const RenderOptions& options) {
    std::vector<JackRef> once = options.probes;
    std::ranges::sort(once);
    once.erase(std::unique(once.begin(), once.end()), once.end());
    auto renderer =
        Renderer::make(patch, library, {options.engineRate, options.realCase, options.silenced, once, options.scenes});
    if (!renderer) return tl::unexpected(renderer.error());
    Rendering out;
    out.fileRate = options.fileRate;
    out.engineRate = options.engineRate;
    const auto runs = idx(std::ceil(options.seconds * options.engineRate / kRun));
    std::vector<std::vector<float>*> lines;
    for (const JackRef& probe : once) {
        lines.push_back(&out.probes[probe]);
        lines.back()->reserve(runs * kRun);
    }
    out.left.reserve(runs * kRun);
    out.right.reserve(runs * kRun);
    std::size_t run = 0;
    const bool whole = renderer->run(options.seconds, [&](const RunView& view) {
        if (options.progress && run % 128 == 0 &&
            !options.progress(static_cast<double>(run) / static_cast<double>(runs)))
            return false;
        ++run;
        out.left.insert(out.left.end(), view.left.begin(), view.left.end());
        out.right.insert(out.right.end(), view.right.begin(), view.right.end());
        for (std::size_t p = 0; p < lines.size(); ++p)
            lines[p]->insert(lines[p]->end(), view.probes[p]->volts.begin(), view.probes[p]->volts.end());
        return true;
    });
    if (!whole) return failure(say("rendering was cancelled"));
    if (options.fileRate > 0.0) out.mix = convertMix(out.left, out.right, options.engineRate, options.fileRate);
    const Schedule& schedule = renderer->schedule();
    out.lateCables = schedule.lateCables();
    out.faults = schedule.faults();
    out.faultyPost = schedule.faultyPost();
    return out;
}

} // namespace lariat
