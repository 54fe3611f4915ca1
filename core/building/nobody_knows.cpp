#include "building/nobody_knows.h"

#include "library/unknowns.h"
#include "library/words.h"

#include <algorithm>
#include <set>

namespace lariat {
namespace {

constexpr std::size_t kLongestStem = 50;

/// The one jack on that side that can be meant: the only one, or the only one of that kind. nullptr: it is not clear.
const JackInfo* onlyJack(const PartInfo& part, bool output, SignalKind kind, const std::set<std::string>& taken) {
    std::vector<const JackInfo*> side;
    std::vector<const JackInfo*> alike;
    for (const JackInfo& jack : part.jacks) {
        if (jack.output != output) continue;
        side.push_back(&jack);
        if (jack.kind == kind) alike.push_back(&jack);
    }
    const JackInfo* one = side.size() == 1 ? side.front() : alike.size() == 1 ? alike.front() : nullptr;
    return one && !output && taken.contains(one->id) ? nullptr : one;
}

} // namespace

bool isUnknownPart(const Post& post) {
    return post.module == kUnknownModule;
}

Post unknownPart(const Patch& patch, const std::string& name, const std::string& voice) {
    Post post;
    post.name = name;
    for (int n = 2; std::ranges::count(patch.posts, post.name, &Post::name) > 0; ++n)
        post.name = fmt::format("{} {}", name, n);
    const std::string stem = "unknown-" + idFrom(name, kLongestStem);
    post.id = stem;
    for (int n = 2; patch.post(post.id); ++n) post.id = fmt::format("{}-{}", stem, n);
    post.slot = post.id; // no place of a case is called so
    post.module = kUnknownModule;
    post.part = "1";
    post.voice = voice;
    return post;
}

Result<Edits> knownAs(const Patch& patch, const Library& library, const std::string& post, const FreePart& part) {
    const Post* was = patch.post(post);
    if (!was || !isUnknownPart(*was)) return failure(say("\"{}\" is no part that nobody knows", post));
    Post now = postFor(patch, part, was->voice);
    now.note = was->note;
    Edits edits{AddPost{now}};
    std::set<std::string> taken;
    for (const Cable& cable : patch.cables) {
        const bool from = cable.from.post == post;
        if (!from && cable.to.post != post) continue;
        const JackRef other = from ? cable.to : cable.from;
        const JackInfo* there = library.jack(patch, other);
        const JackInfo* jack = onlyJack(*part.part, from, there->kind, taken);
        if (jack && other.post != post) {
            const JackRef mine{now.id, jack->id};
            edits.emplace_back(MoveCable{cable.id, from ? mine : other, from ? other : mine});
            if (!from) taken.insert(jack->id);
            continue;
        }
        edits.emplace_back(RemoveCable{cable.id});
        if (other.post != post)
            edits.emplace_back(AddOpenEnd{{0, other, !from, now.name, cable.voice, cable.step, {}}});
    }
    for (const OpenEnd& end : patch.openEnds) {
        if (end.at.post != post) continue;
        const JackInfo* old = library.jack(patch, end.at);
        const JackInfo* jack = onlyJack(*part.part, old->output, old->kind, taken);
        if (jack)
            edits.emplace_back(AddOpenEnd{{0, {now.id, jack->id}, end.output, end.written, end.voice, end.step, {}}});
    }
    edits.emplace_back(RemovePost{post});
    const auto place = std::ranges::find(patch.posts, post, &Post::id) - patch.posts.begin();
    edits.emplace_back(ReorderPost{now.id, static_cast<int>(place)});
    edits.emplace_back(DescribePost{now.id, was->name, was->voice, was->note});
    return edits;
}

} // namespace lariat
