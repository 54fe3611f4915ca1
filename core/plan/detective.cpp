#include "plan/detective.h"

#include "engine/render.h"
#include "library/tie.h"
#include "measure/reading.h"

#include <algorithm>
#include <set>

namespace lariat {
namespace {

constexpr double kSeconds = 2.5;

bool leadsAway(const PartInfo& part) {
    return std::ranges::any_of(part.blocks, [](const PartBlock& block) { return block.type->leadsOut; });
}

/// What an input is to its block.
bool doesAnyOf(const PartInfo& part, const JackInfo& input, std::initializer_list<Does> what) {
    const BlockType& type = *part.blocks[static_cast<std::size_t>(input.at.block)].type;
    const std::string& id = type.inputs[static_cast<std::size_t>(input.at.index)].id;
    return std::ranges::any_of(flowsOf(type), [&](const Flow& flow) {
        return std::ranges::count(flow.inputs, id) > 0 && std::ranges::count(what, flow.does) > 0;
    });
}

} // namespace

Result<Detective> Detective::on(const Patch& patch, const Library& library) {
    Detective out(patch, library);
    const Post* end = nullptr;
    for (const Post& post : patch.posts)
        if (leadsAway(*library.part(post)) &&
            std::ranges::any_of(patch.cables, [&](const Cable& cable) { return cable.to.post == post.id; }))
            end = &post;
    if (!end) return failure(say("nothing is tied to a way out yet: tie that first"));
    Renderer::Settings settings;
    for (const Cable& cable : patch.cables)
        if (std::ranges::count(settings.probes, cable.from) == 0) settings.probes.push_back(cable.from);
    auto renderer = Renderer::make(patch, library, settings);
    if (!renderer) return tl::unexpected(renderer.error());
    std::vector<std::vector<float>> recorded(settings.probes.size());
    (void)renderer->run(kSeconds, [&](const RunView& run) {
        for (std::size_t i = 0; i < recorded.size(); ++i)
            recorded[i].insert(recorded[i].end(), run.probes[i]->volts.begin(), run.probes[i]->volts.end());
        return true;
    });
    for (std::size_t i = 0; i < recorded.size(); ++i) {
        const Reading reading =
            readRecording(recorded[i], renderer->rate(), library.jack(patch, settings.probes[i])->kind);
        const std::string detail = detailText(reading);
        out.expected_[settings.probes[i]] =
            detail.empty() ? say("{}", rangeText(reading)) : say("{}, {}", rangeText(reading), detail);
    }
    out.follow(end->id, true);
    // The end itself is silent: that is why somebody asks. Beyond the last link everything would be good.
    out.bad_ = 0;
    out.good_ = out.way_.size();
    if (out.way_.empty()) out.found_ = out.deadPost(end->id);
    return out;
}

/// From a post back along what passes through it, or along what makes it go.
void Detective::follow(const std::string& post, bool sound) {
    std::set<std::string> seen{post};
    std::string here = post;
    while (true) {
        const PartInfo& part = *library_->part(*patch_.post(here));
        const Cable* next = nullptr;
        for (const Cable& cable : patch_.cables) {
            if (cable.to.post != here || seen.contains(cable.from.post)) continue;
            const JackInfo& in = *part.jack(cable.to.jack);
            const bool passes = doesAnyOf(part, in, {Does::Passes});
            const bool drives = doesAnyOf(part, in, {Does::Opens, Does::Strikes, Does::Times});
            if ((sound && passes && in.kind == SignalKind::Audio) || (!sound && drives) || (passes && !next)) {
                next = &cable;
                if (sound ? passes : drives) break;
            }
        }
        if (!next) return;
        way_.push_back({next->from, next->id, here});
        here = next->from.post;
        seen.insert(here);
    }
}

std::optional<Detective::Question> Detective::question() const {
    if (found_) return std::nullopt;
    const Link& link = feeds_.empty() ? way_[(bad_ + good_) / 2] : feeds_.front();
    return Question{link.output, expected_.at(link.output)};
}

void Detective::answer(bool asExpected) {
    if (found_) return;
    ++asked_;
    if (!feeds_.empty()) {
        const Link link = feeds_.front();
        feeds_.erase(feeds_.begin());
        if (!asExpected) {
            // It is not the post but what drives it: on from there.
            way_.assign(1, link);
            follow(link.output.post, false);
            feeds_.clear();
            bad_ = 1;
            good_ = way_.size();
            if (bad_ >= good_) branch();
        } else if (feeds_.empty()) {
            found_ = deadPost(link.to);
        }
        return;
    }
    const std::size_t middle = (bad_ + good_) / 2;
    if (asExpected)
        good_ = middle;
    else
        bad_ = middle + 1;
    if (bad_ >= good_) branch();
}

/// The way is halved down to one place: what comes out of `good_` is right, what comes behind it is not. It is the
/// cable between, or the post that it goes into, which may wait for something else.
void Detective::branch() {
    const std::string suspect = good_ < way_.size() ? way_[good_].to : way_.back().output.post;
    if (good_ < way_.size() && good_ == 0) {
        found_ = deadCable(way_.front());
        return;
    }
    const PartInfo& part = *library_->part(*patch_.post(suspect));
    for (const Cable& cable : patch_.cables) {
        if (cable.to.post != suspect || (good_ < way_.size() && cable.id == way_[good_].cable)) continue;
        if (doesAnyOf(part, *part.jack(cable.to.jack), {Does::Opens, Does::Strikes, Does::Times}))
            feeds_.push_back({cable.from, cable.id, suspect});
    }
    if (feeds_.empty()) found_ = deadPost(suspect);
}

std::optional<Detective::Found> Detective::found() const {
    return found_;
}

Detective::Found Detective::deadCable(const Link& link) const {
    const Cable& cable = *patch_.cable(link.cable);
    return {link.cable,
            link.to,
            say("The dead link is cable {}, {} to {}.", patch_.row(cable.id), tieName(cable.from, patch_, *library_),
                tieName(cable.to, patch_, *library_)),
            {say("Push both plugs in until they click, and see that they are in these two jacks."),
             say("Take another cable."),
             say("Turn up the level that {} has for this input.", patch_.post(link.to)->name)}};
}

Detective::Found Detective::deadPost(const std::string& id) const {
    const Post& post = *patch_.post(id);
    const PartInfo& part = *library_->part(post);
    Found out{
        std::nullopt, id, say("The dead link is {}: what it gets is right, what it gives is not.", post.name), {}};
    for (const Cable& cable : patch_.cables)
        if (cable.to.post == id)
            out.tries.push_back(say("Push the plug of cable {} in at {}, and see that it is that jack.",
                                    patch_.row(cable.id), tieName(cable.to, patch_, *library_)));
    for (const std::string& knob : part.mainKnobs)
        if (const KnobInfo* info = part.knob(knob)) {
            const double value = knobValue(post, *info);
            out.tries.push_back(info->scale.taper == Taper::Switch
                                    ? say("Set {} to {}.", info->name, info->scale.text(value))
                                    : say("Set {} to {}, {}.", info->name, clockHand(info->scale.toFraction(value)),
                                          info->scale.text(value)));
        }
    out.tries.push_back(say("Play it by hand if it has a button, and look whether it gets power."));
    return out;
}

} // namespace lariat
