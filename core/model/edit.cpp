#include "model/edit.h"

#include <algorithm>

#include <fmt/format.h>

namespace lariat {
namespace {

Result<void> needFree(const Patch& patch, const JackRef& to, int except) {
    const Cable* there = patch.cableInto(to);
    if (there && there->id != except)
        return failure(
            fmt::format("{} holds cable {} already; free it first, or use a mixer", to.text(), patch.row(there->id)));
    return {};
}

Cable* find(Patch& patch, int id) {
    const auto it = std::ranges::find(patch.cables, id, &Cable::id);
    return it == patch.cables.end() ? nullptr : &*it;
}

Post* find(Patch& patch, const std::string& id) {
    const auto it = std::ranges::find(patch.posts, id, &Post::id);
    return it == patch.posts.end() ? nullptr : &*it;
}

tl::unexpected<Error> noCable(int id) {
    return failure(fmt::format("there is no cable with the number {}", id));
}
tl::unexpected<Error> noPost(const std::string& id) {
    return failure(fmt::format("there is no post \"{}\"", id));
}

template <class List> void moveItem(List& list, typename List::iterator from, int place) {
    auto item = std::move(*from);
    list.erase(from);
    const auto index = std::clamp(place, 0, static_cast<int>(list.size()));
    list.insert(list.begin() + index, std::move(item));
}

struct Applier {
    Patch patch;

    Result<Patch> operator()(const TieCable& edit) {
        Cable cable = edit.cable;
        if (!patch.post(cable.from.post)) return noPost(cable.from.post);
        if (!patch.post(cable.to.post)) return noPost(cable.to.post);
        if (auto free = needFree(patch, cable.to, 0); !free) return tl::unexpected(free.error());
        if (cable.id == 0)
            cable.id = patch.freshCableId();
        else if (patch.cable(cable.id))
            return failure(fmt::format("there is a cable with the number {} already", cable.id));
        const auto end = patch.cables.end();
        const auto size = static_cast<int>(patch.cables.size());
        patch.cables.insert(edit.row > 0 && edit.row <= size ? patch.cables.begin() + (edit.row - 1) : end,
                            std::move(cable));
        return std::move(patch);
    }
    Result<Patch> operator()(const RemoveCable& edit) {
        if (!find(patch, edit.id)) return noCable(edit.id);
        std::erase_if(patch.cables, [&](const Cable& cable) { return cable.id == edit.id; });
        return std::move(patch);
    }
    Result<Patch> operator()(const MoveCable& edit) {
        Cable* cable = find(patch, edit.id);
        if (!cable) return noCable(edit.id);
        if (!patch.post(edit.from.post)) return noPost(edit.from.post);
        if (!patch.post(edit.to.post)) return noPost(edit.to.post);
        if (auto free = needFree(patch, edit.to, edit.id); !free) return tl::unexpected(free.error());
        cable->from = edit.from;
        cable->to = edit.to;
        return std::move(patch);
    }
    Result<Patch> operator()(const ReorderCable& edit) {
        const auto it = std::ranges::find(patch.cables, edit.id, &Cable::id);
        if (it == patch.cables.end()) return noCable(edit.id);
        moveItem(patch.cables, it, edit.row - 1);
        return std::move(patch);
    }
    Result<Patch> operator()(const RegroupCable& edit) {
        Cable* cable = find(patch, edit.id);
        if (!cable) return noCable(edit.id);
        cable->voice = edit.voice;
        cable->step = edit.step;
        return std::move(patch);
    }
    Result<Patch> operator()(const DescribeCable& edit) {
        Cable* cable = find(patch, edit.id);
        if (!cable) return noCable(edit.id);
        cable->note = edit.note;
        cable->lengthCm = edit.lengthCm;
        cable->colour = edit.colour;
        return std::move(patch);
    }
    Result<Patch> operator()(const SetKnob& edit) {
        Post* post = find(patch, edit.post);
        if (!post) return noPost(edit.post);
        post->knobs[edit.knob] = edit.value;
        return std::move(patch);
    }
    Result<Patch> operator()(const AddPost& edit) {
        if (patch.post(edit.post.id)) return failure(fmt::format("there is a post \"{}\" already", edit.post.id));
        patch.posts.push_back(edit.post);
        return std::move(patch);
    }
    Result<Patch> operator()(const RemovePost& edit) {
        if (!patch.post(edit.id)) return noPost(edit.id);
        std::erase_if(patch.cables, [&](const Cable& c) { return c.from.post == edit.id || c.to.post == edit.id; });
        std::erase_if(patch.patterns, [&](const Pattern& p) { return p.post == edit.id; });
        std::erase_if(patch.performances, [&](const Performance& p) { return p.post == edit.id; });
        std::erase_if(patch.posts, [&](const Post& p) { return p.id == edit.id; });
        return std::move(patch);
    }
    Result<Patch> operator()(const ReorderPost& edit) {
        const auto it = std::ranges::find(patch.posts, edit.id, &Post::id);
        if (it == patch.posts.end()) return noPost(edit.id);
        moveItem(patch.posts, it, edit.place);
        return std::move(patch);
    }
    Result<Patch> operator()(const SetPattern& edit) {
        if (!patch.post(edit.pattern.post)) return noPost(edit.pattern.post);
        const auto it = std::ranges::find(patch.patterns, edit.pattern.post, &Pattern::post);
        if (it == patch.patterns.end())
            patch.patterns.push_back(edit.pattern);
        else
            *it = edit.pattern;
        return std::move(patch);
    }
    Result<Patch> operator()(const SetPerformance& edit) {
        if (!patch.post(edit.performance.post)) return noPost(edit.performance.post);
        std::erase_if(patch.performances, [&](const Performance& p) { return p.post == edit.performance.post; });
        if (!edit.performance.messages.empty()) patch.performances.push_back(edit.performance);
        return std::move(patch);
    }
    Result<Patch> operator()(const ChooseSources& edit) {
        const auto it = std::ranges::find(patch.posts, edit.post, &Post::id);
        if (it == patch.posts.end()) return noPost(edit.post);
        it->sample = edit.sample;
        it->tuning = edit.tuning;
        return std::move(patch);
    }
    Result<Patch> operator()(const SetTitle& edit) {
        patch.title = edit.title;
        return std::move(patch);
    }
};

struct Describer {
    std::string operator()(const TieCable& e) const {
        return fmt::format("tie {} to {}", e.cable.from.text(), e.cable.to.text());
    }
    std::string operator()(const RemoveCable&) const { return "remove a cable"; }
    std::string operator()(const MoveCable& e) const {
        return fmt::format("move a cable to {} → {}", e.from.text(), e.to.text());
    }
    std::string operator()(const ReorderCable& e) const { return fmt::format("move a cable to row {}", e.row); }
    std::string operator()(const RegroupCable& e) const {
        return fmt::format("put a cable under {} · {}", e.voice, e.step);
    }
    std::string operator()(const DescribeCable&) const { return "write down a cable"; }
    std::string operator()(const SetKnob& e) const { return fmt::format("turn {} of {}", e.knob, e.post); }
    std::string operator()(const AddPost& e) const { return fmt::format("add {}", e.post.name); }
    std::string operator()(const RemovePost& e) const { return fmt::format("remove {}", e.id); }
    std::string operator()(const ReorderPost& e) const { return fmt::format("move {}", e.id); }
    std::string operator()(const SetPattern& e) const {
        return fmt::format("change the pattern of {}", e.pattern.post);
    }
    std::string operator()(const SetPerformance& e) const {
        return fmt::format("change what is played on {}", e.performance.post);
    }
    std::string operator()(const ChooseSources& e) const { return fmt::format("choose what {} reads", e.post); }
    std::string operator()(const SetTitle& e) const { return fmt::format("name the patch {}", e.title); }
};

} // namespace

Result<Patch> applyEdit(const Patch& patch, const Edit& edit) {
    return std::visit(Applier{patch}, edit);
}

Result<Patch> applyEdits(const Patch& patch, const std::vector<Edit>& edits) {
    Result<Patch> result = patch;
    for (const Edit& edit : edits) {
        result = applyEdit(*result, edit);
        if (!result) break;
    }
    return result;
}

std::string describe(const Edit& edit) {
    return std::visit(Describer{}, edit);
}

} // namespace lariat
