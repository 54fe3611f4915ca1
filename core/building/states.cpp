#include "building/states.h"

#include "units/letters.h"

#include <algorithm>

#include <fmt/format.h>

namespace lariat {
namespace {

constexpr const char* kRegister = "shift-register";
constexpr double kFree = 0.0;
constexpr double kLock8 = 1.0;

Result<CaughtState> stateNamed(const Patch& patch, const Library& library, const std::string& post,
                               const std::string& name) {
    const auto all = caughtStates(patch, library, post);
    const auto it = std::ranges::find(all, name, &CaughtState::name);
    if (it != all.end()) return *it;
    std::vector<std::string> names;
    for (const CaughtState& one : all) names.push_back(one.name);
    return failure(names.empty()
                       ? say("no state was caught of {} yet", post)
                       : say("no state of {} is called \"{}\"; there are {}", post, name, fmt::join(names, ", ")));
}

} // namespace

const KnobInfo* stateKnob(const Patch& patch, const Library& library, const std::string& post) {
    const Post* found = patch.post(post);
    const PartInfo* part = found ? library.part(*found) : nullptr;
    return part ? part->knobFor(kRegister, "state") : nullptr;
}

std::vector<CaughtState> caughtStates(const Patch& patch, const Library& library, const std::string& post) {
    std::vector<CaughtState> out;
    const KnobInfo* state = stateKnob(patch, library, post);
    if (!state) return out;
    const std::string prefix = patch.post(post)->id + ": ";
    for (const auto& [setting, posts] : patch.settings) {
        if (posts.size() != 1 || posts.begin()->first != post) continue;
        const auto bits = posts.begin()->second.find(state->id);
        if (bits == posts.begin()->second.end()) continue;
        out.push_back({setting, setting.starts_with(prefix) ? setting.substr(prefix.size()) : setting,
                       static_cast<unsigned>(bits->second)});
    }
    return out;
}

Result<Edits> catchState(const Patch& patch, const Library& library, const std::string& post, unsigned bits,
                         const std::string& name) {
    const KnobInfo* state = stateKnob(patch, library, post);
    if (!state) return failure(say("{} has no shift register whose state could be caught", post));
    const std::string called(trimmed(name));
    if (called.empty()) return failure(say("a state needs a name"));
    const Post& from = *patch.post(post);
    const auto known = caughtStates(patch, library, post);
    if (std::ranges::find(known, called, &CaughtState::name) != known.end())
        return failure(say("{} has a state {} already: forget it first, or give this one another name", post, called));
    const PartInfo& part = *library.part(from);
    const KnobInfo* mode = part.knobFor(kRegister, "mode");
    std::map<std::string, double> knobs;
    for (const KnobInfo& knob : part.knobs)
        if (!knob.momentary) knobs[knob.id] = knobValue(from, knob);
    knobs[state->id] = static_cast<double>(bits);
    if (mode && knobs[mode->id] == kFree) knobs[mode->id] = kLock8;
    return Edits{KeepSetting{from.id + ": " + called, {{post, std::move(knobs)}}}};
}

Result<Edits> goToState(const Patch& patch, const Library& library, const std::string& post, const std::string& name) {
    const auto state = stateNamed(patch, library, post, name);
    if (!state) return tl::unexpected(state.error());
    const Post& there = *patch.post(post);
    const PartInfo& part = *library.part(there);
    Edits edits;
    for (const auto& [id, value] : patch.settings.at(state->setting).at(post)) {
        const KnobInfo* knob = part.knob(id);
        if (knob && knobValue(there, *knob) != value) edits.emplace_back(SetKnob{post, id, value});
    }
    return edits;
}

Result<Edits> forgetState(const Patch& patch, const Library& library, const std::string& post,
                          const std::string& name) {
    const auto state = stateNamed(patch, library, post, name);
    if (!state) return tl::unexpected(state.error());
    return Edits{KeepSetting{state->setting, {}}};
}

} // namespace lariat
