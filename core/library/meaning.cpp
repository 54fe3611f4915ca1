#include "library/meaning.h"

#include <algorithm>
#include <cmath>

namespace lariat {
namespace {

bool holds(const Meaning& meaning, const Patch& patch, const Post& post, const PartInfo& part) {
    if (!meaning.plugged.empty() && !patch.cableInto({post.id, meaning.plugged})) return false;
    return std::ranges::all_of(meaning.modes, [&](const ModeInfo& mode) {
        const KnobInfo* knob = part.knob(mode.knob);
        return knob && std::lround(knobValue(post, *knob)) == mode.position;
    });
}

} // namespace

const std::string& jackWord(const Patch& patch, const Library& library, const JackRef& ref) {
    static const std::string none;
    const Post* post = patch.post(ref.post);
    const PartInfo* part = post ? library.part(*post) : nullptr;
    const JackInfo* jack = part ? part->jack(ref.jack) : nullptr;
    if (!jack) return none;
    for (const Meaning& meaning : jack->meanings)
        if (!meaning.name.empty() && holds(meaning, patch, *post, *part)) return meaning.name;
    return jack->name;
}

KnobInForce knobInForce(const Patch& patch, const Post& post, const PartInfo& part, const KnobInfo& knob) {
    KnobInForce out{&knob.name, knob.at, &knob.scale, knobValue(post, knob)};
    for (const Meaning& meaning : knob.meanings) {
        if (!holds(meaning, patch, post, part)) continue;
        if (!meaning.name.empty()) out.name = &meaning.name;
        if (meaning.at) {
            out.value = meaning.scale.toValue(knob.scale.toFraction(out.value));
            out.at = *meaning.at;
            out.scale = &meaning.scale;
        }
        break;
    }
    return out;
}

bool movesMeanings(const PartInfo& part, const std::string& knob) {
    return std::ranges::any_of(part.knobs, [&](const KnobInfo& other) {
        return std::ranges::any_of(other.meanings, [&](const Meaning& meaning) {
            return meaning.at && std::ranges::find(meaning.modes, knob, &ModeInfo::knob) != meaning.modes.end();
        });
    });
}

} // namespace lariat
