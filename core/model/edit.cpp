#include "model/edit.h"

#include <algorithm>

#include <fmt/format.h>

namespace lariat {
namespace {

/// What no sequencer could play about a pattern, as a sentence; empty if it is sound.
Sentence unplayable(const Pattern& pattern) {
    const auto line = [](const std::string& name, std::size_t steps, const Stride& stride) -> Sentence {
        if (steps < 1 || steps > kMaxSteps)
            return say("\"{}\" has {} steps, 1 to {} are possible", name, steps, kMaxSteps);
        if (stride.division < 1 || stride.division > 16)
            return say("\"{}\" has a step of {} clock pulses, 1 to 16 are possible", name, stride.division);
        if (!(stride.swing >= 0.5 && stride.swing <= kMostSwing))
            return say("\"{}\" has a swing of {:g} %, 50 to 75 are possible", name, 100.0 * stride.swing);
        return {};
    };
    const auto lines = [&](const std::vector<Track>& tracks, const std::vector<Lane>& lanes) -> Sentence {
        for (const Track& track : tracks) {
            if (Sentence why = line(track.name, track.steps.size(), track.stride); !why.empty()) return why;
            for (const Step& step : track.steps) {
                if (!(step.late >= 0.0 && step.late <= kLatest))
                    return say("\"{}\" has a step that comes {:g} % of it late, 0 to {:g} are possible", track.name,
                               100.0 * step.late, 100.0 * kLatest);
                if (step.repeats < 1 || step.repeats > 8 || !(step.gate > 0.0 && step.gate <= 1.0))
                    return say("\"{}\" has a step struck {} times with a gate of {:g}; 1 to 8 times and a gate "
                               "above 0 and up to 1 are possible",
                               track.name, step.repeats, step.gate);
            }
        }
        for (const Lane& lane : lanes)
            if (Sentence why = line(lane.name, lane.hits.size(), lane.stride); !why.empty()) return why;
        return {};
    };
    Sentence why = lines(pattern.tracks, pattern.lanes);
    for (const Variation& other : pattern.others)
        if (why.empty()) why = lines(other.tracks, other.lanes);
    return why;
}

Result<void> needFree(const Patch& patch, const JackRef& to, int except) {
    const Cable* there = patch.cableInto(to);
    if (there && there->id != except)
        return failure(
            say("{} holds cable {} already; free it first, or use a mixer", to.text(), patch.row(there->id)));
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
    return failure(say("there is no cable with the number {}", id));
}
tl::unexpected<Error> noPost(const std::string& id) {
    return failure(say("there is no post \"{}\"", id));
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
            return failure(say("there is a cable with the number {} already", cable.id));
        const auto open = std::ranges::find_if(
            patch.openEnds, [&](const OpenEnd& one) { return one.at == cable.from || one.at == cable.to; });
        if (open != patch.openEnds.end()) patch.openEnds.erase(open);
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
    Result<Patch> operator()(const SwapCables& edit) {
        Cable* a = find(patch, edit.a);
        Cable* b = find(patch, edit.b);
        if (!a || !b) return noCable(a ? edit.b : edit.a);
        edit.sources ? std::swap(a->from, b->from) : std::swap(a->to, b->to);
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
        if (post->locked.contains(edit.knob))
            return failure(say("{} of {} is locked; unlock it first", edit.knob, post->name));
        post->knobs[edit.knob] = edit.value;
        post->unknown.erase(edit.knob);
        return std::move(patch);
    }
    Result<Patch> operator()(const SetUnknown& edit) {
        Post* post = find(patch, edit.post);
        if (!post) return noPost(edit.post);
        if (post->locked.contains(edit.knob))
            return failure(say("{} of {} is locked; unlock it first", edit.knob, post->name));
        if (edit.unknown)
            post->unknown[edit.knob] = *edit.unknown;
        else
            post->unknown.erase(edit.knob);
        return std::move(patch);
    }
    Result<Patch> operator()(const AddOpenEnd& edit) {
        OpenEnd end = edit.end;
        if (!patch.post(end.at.post)) return noPost(end.at.post);
        if (patch.openEnds.size() >= kMostOpenEnds)
            return failure(say("there are {} open ends already; more are not kept", kMostOpenEnds));
        if (end.id == 0)
            for (const OpenEnd& one : patch.openEnds) end.id = std::max(end.id, one.id);
        if (edit.end.id == 0) ++end.id;
        if (std::ranges::count(patch.openEnds, end.id, &OpenEnd::id) > 0)
            return failure(say("there is an open end with the number {} already", end.id));
        patch.openEnds.push_back(std::move(end));
        return std::move(patch);
    }
    Result<Patch> operator()(const RemoveOpenEnd& edit) {
        if (std::erase_if(patch.openEnds, [&](const OpenEnd& one) { return one.id == edit.id; }) == 0)
            return failure(say("there is no open end with the number {}", edit.id));
        return std::move(patch);
    }
    Result<Patch> operator()(const AddPost& edit) {
        if (patch.post(edit.post.id)) return failure(say("there is a post \"{}\" already", edit.post.id));
        patch.posts.push_back(edit.post);
        return std::move(patch);
    }
    Result<Patch> operator()(const RemovePost& edit) {
        if (!patch.post(edit.id)) return noPost(edit.id);
        std::erase_if(patch.cables, [&](const Cable& c) { return c.from.post == edit.id || c.to.post == edit.id; });
        std::erase_if(patch.openEnds, [&](const OpenEnd& one) { return one.at.post == edit.id; });
        std::erase_if(patch.patterns, [&](const Pattern& p) { return p.post == edit.id; });
        std::erase_if(patch.performances, [&](const Performance& p) { return p.post == edit.id; });
        std::erase_if(patch.controllers, [&](const Controller& c) { return c.post == edit.id; });
        std::erase_if(patch.asked, [&](const SheetQuestion& one) {
            return std::ranges::find(one.of, edit.id, &JackRef::post) != one.of.end();
        });
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
        if (!patch.post(edit.pattern->post)) return noPost(edit.pattern->post);
        if (const Sentence why = unplayable(*edit.pattern); !why.empty()) return failure(why);
        const auto it = std::ranges::find_if(patch.patterns,
                                             [&](const Shared<Pattern>& p) { return p->post == edit.pattern->post; });
        if (it == patch.patterns.end())
            patch.patterns.push_back(edit.pattern);
        else
            *it = edit.pattern;
        return std::move(patch);
    }
    Result<Patch> operator()(const SetPerformance& edit) {
        if (!patch.post(edit.performance->post)) return noPost(edit.performance->post);
        std::erase_if(patch.performances, [&](const Performance& p) { return p.post == edit.performance->post; });
        if (!edit.performance->messages.empty()) patch.performances.push_back(edit.performance);
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
    Result<Patch> operator()(const DescribePatch& edit) {
        patch.key = edit.key;
        patch.about = edit.about;
        return std::move(patch);
    }
    Result<Patch> operator()(const DescribePost& edit) {
        Post* post = find(patch, edit.post);
        if (!post) return noPost(edit.post);
        if (edit.name.empty()) return failure(say("a post needs a name"));
        post->name = edit.name;
        post->voice = edit.voice;
        post->note = edit.note;
        return std::move(patch);
    }
    Result<Patch> operator()(const SeatPost& edit) {
        Post* post = find(patch, edit.post);
        if (!post) return noPost(edit.post);
        post->slot = edit.slot;
        post->module = edit.module;
        post->part = edit.part;
        return std::move(patch);
    }
    Result<Patch> operator()(const DescribeKnob& edit) {
        Post* post = find(patch, edit.post);
        if (!post) return noPost(edit.post);
        edit.note.empty() ? void(post->knobNotes.erase(edit.knob)) : void(post->knobNotes[edit.knob] = edit.note);
        edit.locked ? void(post->locked.insert(edit.knob)) : void(post->locked.erase(edit.knob));
        return std::move(patch);
    }
    Result<Patch> operator()(const StyleHeading& edit) {
        const Heading& h = edit.heading;
        std::erase_if(patch.headings, [&](const Heading& o) { return o.voice == h.voice && o.step == h.step; });
        if (!h.colour.empty() || h.folded) patch.headings.push_back(h);
        return std::move(patch);
    }
    Result<Patch> operator()(const RenameHeading& edit) {
        bool any = false;
        for (Cable& cable : patch.cables) {
            if (cable.voice != edit.voice || cable.step != edit.step) continue;
            cable.voice = edit.newVoice;
            cable.step = edit.newStep;
            any = true;
        }
        if (!any) return failure(say("no cable stands under {} · {}", edit.voice, edit.step));
        for (Heading& heading : patch.headings)
            if (heading.voice == edit.voice && heading.step == edit.step) {
                heading.voice = edit.newVoice;
                heading.step = edit.newStep;
            }
        // A voice whose last rows have gone takes its posts along.
        if (std::ranges::none_of(patch.cables, [&](const Cable& c) { return c.voice == edit.voice; }))
            for (Post& post : patch.posts)
                if (post.voice == edit.voice) post.voice = edit.newVoice;
        return std::move(patch);
    }
    Result<Patch> operator()(const MoveHeading& edit) {
        const auto under = [&](const Cable& c) { return c.voice == edit.voice && c.step == edit.step; };
        const auto alike = [](const Cable& a, const Cable& b) { return a.voice == b.voice && a.step == b.step; };
        auto& cables = patch.cables;
        const auto first = std::ranges::find_if(cables, under);
        if (first == cables.end()) return failure(say("no cable stands under {} · {}", edit.voice, edit.step));
        const auto last = std::find_if_not(first, cables.end(), under);
        if (edit.down) {
            if (last == cables.end()) return failure(say("this heading is the last one already"));
            std::rotate(first, last,
                        std::find_if_not(last, cables.end(), [&](const Cable& c) { return alike(c, *last); }));
        } else {
            if (first == cables.begin()) return failure(say("this heading is the first one already"));
            auto before = first - 1;
            while (before != cables.begin() && alike(*(before - 1), *before)) --before;
            std::rotate(before, first, last);
        }
        return std::move(patch);
    }
    Result<Patch> operator()(const DismissFinding& edit) {
        const Dismissal& d = edit.dismissal;
        forgetDismissal(d.rule, d.cable, d.post);
        patch.dismissals.push_back(d);
        return std::move(patch);
    }
    Result<Patch> operator()(const RestoreFinding& edit) {
        forgetDismissal(edit.rule, edit.cable, edit.post);
        return std::move(patch);
    }
    Result<Patch> operator()(const LearnController& edit) {
        const Controller& c = edit.controller;
        if (!patch.post(c.post)) return noPost(c.post);
        std::erase_if(patch.controllers, [&](const Controller& o) {
            return o.number == c.number || (o.post == c.post && o.knob == c.knob);
        });
        patch.controllers.push_back(c);
        return std::move(patch);
    }
    Result<Patch> operator()(const ForgetController& edit) {
        std::erase_if(patch.controllers,
                      [&](const Controller& o) { return o.post == edit.post && o.knob == edit.knob; });
        return std::move(patch);
    }
    Result<Patch> operator()(const SetScenes& edit) {
        if (edit.scenes.size() > kMostScenes)
            return failure(say("there are {} scenes, {} are possible", edit.scenes.size(), kMostScenes));
        for (const Scene& scene : edit.scenes) {
            if (scene.bars < 1 || scene.bars > 256 || scene.repeats < 1 || scene.repeats > 64)
                return failure(say("\"{}\" has {} bars played {} times; 1 to 256 bars and 1 to 64 times are possible",
                                   scene.name, scene.bars, scene.repeats));
            if (scene.moves.size() > kMostMoves)
                return failure(say("\"{}\" has {} moves, {} are possible", scene.name, scene.moves.size(), kMostMoves));
            for (const Move& move : scene.moves)
                if (!(move.start >= 0.0 && move.beats >= 0.0 && move.start + move.beats <= scene.beats() + 1e-9))
                    return failure(say("a move in \"{}\" goes from beat {:g} to {:g}; the scene has {:g}", scene.name,
                                       move.start, move.start + move.beats, scene.beats()));
        }
        patch.scenes = edit.scenes;
        return patch;
    }
    Result<Patch> operator()(const AskOnSheet& edit) {
        std::erase_if(patch.asked, [&](const SheetQuestion& one) {
            return one.question == edit.question.question && one.of == edit.question.of;
        });
        if (!edit.on) return std::move(patch);
        if (patch.asked.size() >= kMostSheetQuestions)
            return failure(say("the sheet has {} questions, and no room for more", kMostSheetQuestions));
        patch.asked.push_back(edit.question);
        return std::move(patch);
    }
    Result<Patch> operator()(const KeepSetting& edit) {
        if (edit.setting.empty()) {
            patch.settings.erase(edit.name);
            patch.settingExtras.erase(edit.name);
        } else {
            patch.settings[edit.name] = edit.setting;
        }
        return std::move(patch);
    }

    void forgetDismissal(const std::string& rule, int cable, const std::string& post) {
        std::erase_if(patch.dismissals, [&](const Dismissal& d) {
            return d.rule == rule && d.cable == cable && (cable > 0 || d.post == post);
        });
    }
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

} // namespace lariat
