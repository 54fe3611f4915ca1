#include "findings/finding.h"

#include "findings/rules.h"

#include <algorithm>
#include <array>

#include <fmt/format.h>

namespace lariat {

std::span<const float> Observation::at(const JackRef& output) const {
    const auto it = recorded.probes.find(output);
    return it == recorded.probes.end() ? std::span<const float>{} : std::span<const float>(it->second);
}

const PartInfo* Observation::part(const std::string& id) const {
    const Post* post = patch.post(id);
    return post ? library->part(*post) : nullptr;
}

bool Observation::is(const std::string& post, std::string_view blockType) const {
    const PartInfo* info = part(post);
    return info && info->has(blockType);
}

JackRef Observation::jackFor(const std::string& post, std::string_view blockType, std::string_view wanted) const {
    const PartInfo* info = part(post);
    const JackInfo* found = info ? info->jackFor(blockType, wanted) : nullptr;
    return found ? JackRef{post, found->id} : JackRef{};
}

std::vector<std::string> Observation::upstream(const std::string& post) const {
    std::vector<std::string> found = {post};
    for (std::size_t i = 0; i < found.size(); ++i) {
        const std::string here = found[i];
        const PartInfo* info = part(here);
        if (!info) continue;
        for (const JackInfo& jack : info->jacks) {
            if (jack.output) continue;
            const JackRef from = feeder({here, jack.id});
            if (!from.post.empty() && std::ranges::find(found, from.post) == found.end()) found.push_back(from.post);
        }
    }
    return found;
}

std::string Observation::first(std::string_view blockType) const {
    for (const Post& post : patch.posts)
        if (is(post.id, blockType)) return post.id;
    return {};
}

std::string Observation::nameOf(const std::string& id) const {
    const Post* post = patch.post(id);
    return post ? post->name : id;
}

std::string Observation::cableName(int id) const {
    return fmt::format("cable {}", patch.row(id));
}

Result<Observation> observe(const Patch& patch, const Library& library, const Case* housing, double seconds,
                            const std::function<bool(double)>& progress) {
    RenderOptions options;
    options.seconds = seconds;
    options.fileRate = 0.0; // no mix is needed
    options.progress = progress;
    for (const Cable& cable : patch.cables)
        if (std::ranges::find(options.probes, cable.from) == options.probes.end()) options.probes.push_back(cable.from);
    auto recorded = render(patch, library, options);
    if (!recorded) return tl::unexpected(recorded.error());
    return Observation{patch, &library, housing, std::move(*recorded)};
}

std::vector<Finding> findAll(const Observation& observation) {
    constexpr std::array rules = {
        findNoPath,       findDrone,   findZeroAttenuator, findPitchOnFollower, findSustainNotReached,
        findDrumNotReset, findSumClips};
    std::vector<Finding> all;
    for (const auto rule : rules)
        for (Finding& finding : rule(observation)) all.push_back(std::move(finding));
    return all;
}

} // namespace lariat
