#include "engine/electrics.h"

#include "engine/graph.h"

namespace lariat {
namespace {

bool isPassive(const Patch& patch, const Library& library, const JackRef& jack) {
    const Post* post = patch.post(jack.post);
    const PartInfo* part = post ? library.part(*post) : nullptr;
    const JackInfo* info = part ? part->jack(jack.jack) : nullptr;
    return info && part->blocks[idx(info->at.block)].type->id == "passive-mult";
}

/// The input of the passive mult that this output is a jack of.
JackRef inputOf(const Patch& patch, const Library& library, const JackRef& output) {
    const PartInfo& part = *library.part(*patch.post(output.post));
    const int block = part.jack(output.jack)->at.block;
    for (const JackInfo& jack : part.jacks)
        if (!jack.output && jack.at.block == block) return {output.post, jack.id};
    return {};
}

/// The output that feeds an input, past all passive mults.
JackRef rootOf(const Patch& patch, const Library& library, const JackRef& input) {
    JackRef at = input;
    for (int guard = 0; guard < 1000; ++guard) {
        const JackRef from = feederOf(patch, library, at);
        if (from.post.empty() || !isPassive(patch, library, from)) return from;
        at = inputOf(patch, library, from);
        if (at.post.empty()) return {};
    }
    return {};
}

} // namespace

Electrics::Electrics(const Patch& patch, const Library& library) {
    for (const Cable& cable : patch.cables) {
        if (isPassive(patch, library, cable.to)) continue;
        const JackRef root = rootOf(patch, library, cable.to);
        if (root.post.empty()) continue;
        roots_[cable.to] = root;
        const double own = library.jack(patch, cable.to)->electrics.kiloohms;
        const double source = library.jack(patch, root)->electrics.kiloohms;
        Load& load = loads_[root];
        load.siemens += 1.0 / (own > 0.0 ? own : kInputKiloohms);
        load.inputs += 1;
        if (source > 0.0) load.sourceKiloohms = source;
    }
}

const Electrics::Load* Electrics::loadOf(const JackRef& input) const {
    const auto root = roots_.find(input);
    return root == roots_.end() ? nullptr : &loads_.at(root->second);
}

double Electrics::gainInto(const JackRef& input) const {
    const Load* load = loadOf(input);
    if (!load) return 1.0;
    const double parallel = 1.0 / load->siemens;
    const double source = load->sourceKiloohms;
    return parallel / (parallel + source) * (kInputKiloohms + source) / kInputKiloohms;
}

int Electrics::sharers(const JackRef& input) const {
    const Load* load = loadOf(input);
    return load ? load->inputs : 0;
}

} // namespace lariat
