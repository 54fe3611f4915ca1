#include "building/split.h"

#include "building/capacity.h"
#include "engine/electrics.h"

#include <algorithm>

namespace lariat {
namespace {

bool leaves(const Patch& patch, const JackRef& output) {
    return std::ranges::any_of(patch.cables, [&](const Cable& cable) { return cable.from == output; });
}

TieCable tie(JackRef from, JackRef to, const Cable& like) {
    return {{0, std::move(from), std::move(to), like.voice, like.step, "", 0, "", {}}, 0};
}

/// The cable that a new one between these two should stand beside.
Cable styleFor(const Patch& patch, const JackRef& from, const JackRef& to) {
    const Post* target = patch.post(to.post);
    const Post* source = patch.post(from.post);
    Cable like;
    if (target) like.voice = target->voice;
    if (like.voice.empty() && source) like.voice = source->voice;
    for (const Cable& cable : patch.cables)
        if (cable.voice == like.voice) like.step = cable.step;
    return like;
}

const JackInfo* inputOfBlock(const PartInfo& part, int block) {
    for (const JackInfo& jack : part.jacks)
        if (!jack.output && jack.at.block == block) return &jack;
    return nullptr;
}

double sagAfter(const Patch& patch, const Library& library, const Edits& edits, const JackRef& input) {
    const auto after = applyEdits(patch, edits);
    return after ? 1.0 - Electrics(*after, library).gainInto(input) : 0.0;
}

} // namespace

std::vector<Split> waysToSplit(const Patch& patch, const Library& library, const Case* housing, const JackRef& output,
                               const JackRef& input) {
    std::vector<Split> ways;
    const Cable like = styleFor(patch, output, input);
    const Post* post = patch.post(output.post);
    const PartInfo* part = post ? library.part(*post) : nullptr;
    const JackInfo* jack = part ? part->jack(output.jack) : nullptr;
    if (!jack || !jack->output) return ways;
    const auto add = [&](Split::Way way, const std::string& with, int cables, Edits edits) {
        const double sag = sagAfter(patch, library, edits, input);
        ways.push_back({way, with, std::max(0.0, sag), cables, std::move(edits)});
    };
    for (const JackInfo& twin : part->jacks)
        if (twin.output && twin.id != jack->id && twin.at == jack->at && !leaves(patch, {post->id, twin.id}))
            add(Split::Way::Copy, twin.name, 1, {tie({post->id, twin.id}, input, like)});
    for (const char* type : {"mult", "passive-mult"}) {
        // A mult that carries this signal already and has a jack left.
        for (const Cable& cable : patch.cables) {
            if (cable.from != output) continue;
            const Post& target = *patch.post(cable.to.post);
            const PartInfo& there = *library.part(target);
            const JackInfo* in = there.jack(cable.to.jack);
            if (there.blocks[static_cast<std::size_t>(in->at.block)].type->id != type) continue;
            for (const JackInfo& copy : there.jacks)
                if (copy.output && copy.at.block == in->at.block && !leaves(patch, {target.id, copy.id})) {
                    add(Split::Way::Mult, target.name, 1, {tie({target.id, copy.id}, input, like)});
                    break;
                }
        }
        // One that the case has left: everything that leaves the output goes through it.
        for (const FreePart& free : freeParts(patch, library, housing, type)) {
            const Post mult = postFor(patch, free, like.voice);
            int block = -1;
            for (std::size_t b = 0; b < free.part->blocks.size() && block < 0; ++b)
                if (free.part->blocks[b].type->id == type) block = static_cast<int>(b);
            const JackInfo* in = inputOfBlock(*free.part, block);
            std::vector<const JackInfo*> copies;
            for (const JackInfo& copy : free.part->jacks)
                if (copy.output && copy.at.block == block) copies.push_back(&copy);
            if (!in || copies.empty()) continue;
            Edits edits = {AddPost{mult}, tie(output, {mult.id, in->id}, like)};
            std::size_t next = 0;
            for (const Cable& cable : patch.cables)
                if (cable.from == output && next + 1 < copies.size())
                    edits.emplace_back(MoveCable{cable.id, {mult.id, copies[next++]->id}, cable.to});
            edits.emplace_back(tie({mult.id, copies[next]->id}, input, like));
            add(Split::Way::Mult, mult.name, 2, std::move(edits));
            break;
        }
    }
    add(Split::Way::Stack, "", 1, {tie(output, input, like)});
    std::ranges::stable_sort(ways, {}, [](const Split& split) { return split.sagPerVolt > 1e-6 ? 1 : 0; });
    return ways;
}

} // namespace lariat
