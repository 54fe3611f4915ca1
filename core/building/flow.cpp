#include "building/flow.h"

#include <algorithm>
#include <map>
#include <set>

namespace lariat {
namespace {

/// Length of the longest way from a source to each post. A cable that closes a loop with those tied before it is not
/// counted, so that the same patch always has the same order.
class Depths {
  public:
    explicit Depths(const Patch& patch) {
        for (const Cable& cable : patch.cables)
            if (!reaches(cable.to.post, cable.from.post)) before_[cable.to.post].push_back(cable.from.post);
    }
    int of(const std::string& post) {
        if (const auto done = depth_.find(post); done != depth_.end()) return done->second;
        int depth = 0;
        for (const std::string& source : before_[post]) depth = std::max(depth, of(source) + 1);
        return depth_[post] = depth;
    }

  private:
    bool reaches(const std::string& from, const std::string& to) {
        std::set<std::string> seen;
        std::vector<std::string> todo{to};
        while (!todo.empty()) {
            const std::string post = std::move(todo.back());
            todo.pop_back();
            if (post == from) return true;
            if (!seen.insert(post).second) continue;
            for (const std::string& source : before_[post]) todo.push_back(source);
        }
        return false;
    }

    std::map<std::string, std::vector<std::string>> before_;
    std::map<std::string, int> depth_;
};

} // namespace

std::vector<std::string> orderAlongFlow(const Patch& patch) {
    Depths depths(patch);
    const auto leadsOn = [&](const Post& post) {
        return std::ranges::count(patch.cables, post.id, [](const Cable& cable) { return cable.from.post; }) > 0;
    };
    const auto isFed = [&](const Post& post) {
        return std::ranges::count(patch.cables, post.id, [](const Cable& cable) { return cable.to.post; }) > 0;
    };
    // Voices in the order in which their first cable is tied; what serves them all stands before, or behind, them.
    std::map<std::string, int> voices;
    for (const Cable& cable : patch.cables) voices.try_emplace(cable.voice, static_cast<int>(voices.size()) + 1);
    struct Place {
        int group;
        int depth;
        std::string id;
    };
    std::vector<Place> places;
    for (const Post& post : patch.posts) {
        int group = post.voice.empty() ? (isFed(post) && depths.of(post.id) > 1 ? 1'000'000 : 0) : 0;
        if (!post.voice.empty()) group = voices.contains(post.voice) ? voices.at(post.voice) : 999'999;
        if (isFed(post) && !leadsOn(post)) group = 1'000'001; // a way out
        places.push_back({group, depths.of(post.id), post.id});
    }
    std::ranges::stable_sort(places, [](const Place& a, const Place& b) {
        return std::pair(a.group, a.depth) < std::pair(b.group, b.depth);
    });
    std::vector<std::string> order;
    for (const Place& place : places) order.push_back(place.id);
    return order;
}

Edits orderPosts(const Patch& patch) {
    Edits edits;
    std::vector<std::string> now;
    for (const Post& post : patch.posts) now.push_back(post.id);
    const std::vector<std::string> wanted = orderAlongFlow(patch);
    for (std::size_t i = 0; i < wanted.size(); ++i) {
        if (now[i] == wanted[i]) continue;
        const auto at = std::ranges::find(now, wanted[i]);
        now.erase(at);
        now.insert(now.begin() + static_cast<std::ptrdiff_t>(i), wanted[i]);
        edits.emplace_back(ReorderPost{wanted[i], static_cast<int>(i)});
    }
    return edits;
}

Edits withNewcomersPlaced(const Patch& patch, Edits ties) {
    Patch grown = patch;
    Edits places;
    const auto isTied = [&](const std::string& post) {
        return std::ranges::any_of(
            grown.cables, [&](const Cable& cable) { return cable.from.post == post || cable.to.post == post; });
    };
    const auto placeOf = [&](const std::string& post) {
        return static_cast<int>(std::ranges::find(grown.posts, post, &Post::id) - grown.posts.begin());
    };
    for (const Edit& edit : ties) {
        const auto* tie = std::get_if<TieCable>(&edit);
        const bool source = tie && !isTied(tie->cable.from.post);
        const bool target = tie && !isTied(tie->cable.to.post);
        auto next = applyEdit(grown, edit);
        if (!next) break;
        grown = std::move(*next);
        if (!tie || source == target) continue; // both are new: they stand as they were taken out of the case
        const std::string& post = source ? tie->cable.from.post : tie->cable.to.post;
        const int now = placeOf(post);
        int wanted = source ? placeOf(tie->cable.to.post) : placeOf(tie->cable.from.post) + 1;
        if (wanted > now) --wanted; // it leaves its own place
        if (wanted == now) continue;
        places.emplace_back(ReorderPost{post, wanted});
        grown = *applyEdit(grown, places.back());
    }
    ties.insert(ties.end(), places.begin(), places.end());
    return ties;
}

} // namespace lariat
