#include "log/merge.h"

#include <algorithm>

namespace lariat {
namespace {

/// The post of a jack as it is written, "filter.in-1".
std::string postIn(const std::string& jack) {
    return jack.substr(0, jack.find('.'));
}

class Merging {
  public:
    Merging(const Patch& mine, const Patch& theirs) : mine_(takeApart(mine)), theirs_(takeApart(theirs)) {}

    /// They did the same as I.
    [[nodiscard]] bool agreed(const Difference& theirs) const {
        return std::ranges::all_of(theirs.keys, [&](const AspectKey& key) {
            if (key.field == kOrder && key.element.empty()) return false;
            const Json* a = mine_.value(key);
            const Json* b = theirs_.value(key);
            return a && b ? *a == *b : a == b;
        });
    }

    [[nodiscard]] bool clash(const Difference& mine, const Difference& theirs) const {
        for (const AspectKey& a : mine.keys)
            for (const AspectKey& b : theirs.keys)
                if (clash(a, b)) return true;
        return false;
    }

  private:
    [[nodiscard]] bool clash(const AspectKey& a, const AspectKey& b) const {
        if (a == b) {
            const Json* one = mine_.value(a);
            const Json* other = theirs_.value(b);
            return !(one && other ? *one == *other : one == other);
        }
        // One of us took away what the other changed, or both put something there.
        if (a.list == b.list && a.element == b.element && !a.element.empty() && (a.field.empty() || b.field.empty()))
            return true;
        return goneFor(a, mine_, b, theirs_) || goneFor(b, theirs_, a, mine_);
    }

    /// `gone` takes a post away that a cable of the other one needs.
    [[nodiscard]] static bool goneFor(const AspectKey& gone, const Aspects& without, const AspectKey& cable,
                                      const Aspects& with) {
        if (gone.list != "posts" || !gone.field.empty() || without.has("posts", gone.element)) return false;
        if (cable.list != "cables" || !with.has("cables", cable.element)) return false;
        const Json* from = with.value({"cables", cable.element, "from"});
        return postIn(cable.element) == gone.element || (from && postIn(from->get<std::string>()) == gone.element);
    }

    Aspects mine_;
    Aspects theirs_;
};

} // namespace

Result<Merged> merge(const Patch& base, const Patch& mine, const Patch& theirs, const Library& library) {
    const Merging merging(mine, theirs);
    const std::vector<Difference> own = differences(base, mine, library);
    Merged out;
    for (Difference& one : differences(base, theirs, library)) {
        if (merging.agreed(one)) continue;
        const auto clash =
            std::ranges::find_if(own, [&](const Difference& mineOne) { return merging.clash(mineOne, one); });
        if (clash == own.end())
            out.brought.push_back(std::move(one));
        else
            out.conflicts.push_back({*clash, std::move(one)});
    }
    auto patch = broughtOver(mine, theirs, out.brought, library);
    if (!patch) return tl::unexpected(patch.error());
    out.patch = std::move(*patch);
    return out;
}

} // namespace lariat
