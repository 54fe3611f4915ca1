#include "plan/shortage.h"

#include <algorithm>
#include <chrono>
#include <limits>
#include <set>

namespace lariat {
namespace {

constexpr double kShareOfBest = 0.6;   ///< of the time for all plans
constexpr double kLeastSeconds = 0.05; ///< less is not worth asking the solver

constexpr std::size_t kMostWays = 4;
constexpr std::size_t kMostTried = 8; ///< parts in use that are tried

std::string nameOfSeat(const Seat& seat, const Library& library) {
    const ModuleInfo& module = *library.module(seat.module);
    std::string name = module.description.name;
    if (module.parts.size() > 1 || seat.part->name != name) name = fmt::format("{} of {}", seat.part->name, name);
    if (seat.provider->channels > 1) name = fmt::format("channel {}, {}", seat.channel, name);
    return name;
}

/// The edits by which a post goes out of the way and what went through it goes straight on; nothing if it makes what
/// comes out of it itself.
std::optional<Edits> straightOn(const Patch& patch, const Library& library, const Post& post) {
    const PartInfo& part = *library.part(post);
    const Cable* in = nullptr;
    for (const Cable& cable : patch.cables) {
        if (cable.to.post != post.id) continue;
        const JackInfo* jack = part.jack(cable.to.jack);
        const BlockType& type = *part.blocks[static_cast<std::size_t>(jack->at.block)].type;
        const std::string& id = type.inputs[static_cast<std::size_t>(jack->at.index)].id;
        const bool passes = std::ranges::any_of(flowsOf(type), [&](const Flow& flow) {
            return flow.does == Does::Passes && std::ranges::count(flow.inputs, id) > 0;
        });
        if (!passes) continue;
        if (in) return std::nullopt; // it sums
        in = &cable;
    }
    if (!in) return std::nullopt;
    Edits edits;
    std::vector<Cable> outs;
    for (const Cable& cable : patch.cables)
        if (cable.from.post == post.id && cable.to.post != post.id) outs.push_back(cable);
    if (outs.empty()) return std::nullopt;
    edits.emplace_back(MoveCable{in->id, in->from, outs.front().to});
    edits.insert(edits.begin(), RemoveCable{outs.front().id});
    for (std::size_t i = 1; i < outs.size(); ++i) edits.emplace_back(MoveCable{outs[i].id, in->from, outs[i].to});
    edits.emplace_back(RemovePost{post.id});
    return edits;
}

/// The recipe with one role doing the work of another as well: whatever went into the second one is left out, what came
/// out of it comes out of the first.
std::optional<Recipe> shared(Recipe recipe, const std::string& keeps, const std::string& goes) {
    const auto inputs = [&](const std::string& role) {
        std::set<std::pair<std::string, std::string>> out;
        for (const RecipeCable& cable : recipe.cables)
            if (cable.to.role == role) out.emplace(cable.to.word, cable.from.role + "." + cable.from.word);
        return out;
    };
    if (inputs(keeps) != inputs(goes) || inputs(goes).empty()) return std::nullopt;
    std::erase_if(recipe.cables, [&](const RecipeCable& cable) { return cable.to.role == goes; });
    for (RecipeCable& cable : recipe.cables)
        if (cable.from.role == goes) cable.from.role = keeps;
    std::erase_if(recipe.roles, [&](const Role& role) { return role.id == goes; });
    std::erase_if(recipe.knobs, [&](const RecipeKnob& knob) { return knob.at.role == goes; });
    std::erase_if(recipe.trims, [&](const RecipeTrim& trim) { return trim.at.role == goes; });
    std::erase_if(recipe.lines, [&](const RecipeLine& line) { return line.role == goes; });
    std::erase_if(recipe.played, [&](const RecipePlayed& played) { return played.role == goes; });
    for (RecipeGoal& goal : recipe.goals)
        if (goal.at.role == goes) goal.at.role = keeps;
    return recipe;
}

class Shortages {
  public:
    Shortages(const Recipe& recipe, const Values& values, const Site& site, const AllotAsk& ask, std::string voice)
        : recipe_(recipe), values_(values), site_(site), ask_(ask), voice_(std::move(voice)) {
        ask_.notAgain.clear();
        ask_.seconds = std::min(ask_.seconds, 0.5);
    }

    Shortage find(const Allotment& best, const std::function<bool()>& goesOn) {
        std::set<std::string> functions;
        for (const Casting& cast : best.castings)
            if (!cast.seat) {
                out_.roles.push_back(cast.role);
                functions.insert(recipe_.role(cast.role)->plays);
            }
        for (const std::string& id : functions) tell(*site_.functions->find(id));
        for (const std::string& id : functions)
            if (!goesOn || goesOn()) partsThatGive(*site_.functions->find(id));
        if (!goesOn || goesOn()) rolesThatShare(best);
        if (!goesOn || goesOn()) voicesThatGo();
        for (const std::string& id : functions) borrow(*site_.functions->find(id));
        std::ranges::stable_sort(
            out_.ways, {}, [](const WayRound& way) { return way.plan ? way.moves : std::numeric_limits<int>::max(); });
        if (out_.ways.size() > kMostWays) out_.ways.erase(out_.ways.begin() + kMostWays, out_.ways.end());
        return std::move(out_);
    }

  private:
    void tell(const Function& function) {
        ShortFunction one{function.name};
        one.needs = static_cast<int>(std::ranges::count(recipe_.roles, function.id, &Role::plays));
        for (const Seat& seat : seatsOf(function, *site_.library, *site_.housing)) {
            const bool used = usesSeat(site_.present, seat);
            const std::string name = nameOfSeat(seat, *site_.library);
            if (seat.provider->standsIn()) {
                if (!used) one.standIns.push_back(name);
                continue;
            }
            ++one.there;
            if (!used) continue;
            const Post& post = *postAt(site_.present, seat.slot, seat.part->id);
            one.usedBy.push_back(
                fmt::format("{}: {}", name, post.voice.empty() ? post.name : post.voice + ", " + post.name));
        }
        out_.functions.push_back(std::move(one));
    }

    /// Plans on another patch than the present one, reached by these edits.
    std::optional<Plan> planAfter(const Edits& first, const Recipe& recipe) {
        Site site = site_;
        auto patch = applyEdits(site_.present, first);
        if (!patch) return std::nullopt;
        site.present = std::move(*patch);
        auto allotment = allot(recipe, site, ask_);
        if (!allotment || !allotment->complete()) return std::nullopt;
        auto plan = makePlan(recipe, values_, site, ask_, std::move(*allotment), voice_);
        if (!plan) return std::nullopt;
        plan->edits.insert(plan->edits.begin(), first.begin(), first.end());
        return std::move(*plan);
    }

    void partsThatGive(const Function& function) {
        struct Try {
            const Post* post;
            std::string name;
            int cables;
        };
        std::vector<Try> tries;
        for (const Seat& seat : seatsOf(function, *site_.library, *site_.housing)) {
            if (!usesSeat(site_.present, seat)) continue;
            const Post* post = postAt(site_.present, seat.slot, seat.part->id);
            if (std::ranges::count(tries, post, &Try::post)) continue;
            const auto cables = std::ranges::count_if(site_.present.cables, [&](const Cable& cable) {
                return cable.from.post == post->id || cable.to.post == post->id;
            });
            tries.push_back({post, nameOfSeat(seat, *site_.library), static_cast<int>(cables)});
        }
        std::ranges::stable_sort(tries, {}, &Try::cables);
        if (tries.size() > kMostTried) tries.resize(kMostTried);
        for (const Try& one : tries) {
            const std::string owner = one.post->voice.empty() ? one.post->name : one.post->voice;
            if (const auto edits = straightOn(site_.present, *site_.library, *one.post))
                if (auto plan = planAfter(*edits, recipe_)) {
                    out_.ways.push_back(
                        {WayRound::Kind::GoesStraight,
                         say("{} gives way: in {} what went through it goes straight on", one.name, owner), one.cables,
                         std::move(plan)});
                    continue;
                }
            if (auto plan = planAfter({RemovePost{one.post->id}}, recipe_))
                out_.ways.push_back({WayRound::Kind::GivesWay,
                                     say("{} gives way: {} has to do without it", one.name, owner), one.cables + 2,
                                     std::move(plan)});
        }
    }

    /// A whole voice makes room: said only where nothing less does.
    void voicesThatGo() {
        if (std::ranges::any_of(out_.ways, [](const WayRound& way) { return way.plan.has_value(); })) return;
        std::set<std::string> voices;
        for (const Post& post : site_.present.posts)
            if (!post.voice.empty() && post.voice != ask_.instead) voices.insert(post.voice);
        const std::string was = ask_.instead;
        for (const std::string& voice : voices) {
            ask_.instead = voice;
            if (auto plan = planAfter({}, recipe_)) {
                const int moves = plan->taken;
                out_.ways.push_back({WayRound::Kind::Instead,
                                     say("instead of {}: it goes, and its parts play this", voice), moves,
                                     std::move(plan)});
            }
        }
        ask_.instead = was;
    }

    void rolesThatShare(const Allotment& best) {
        for (const Casting& cast : best.castings) {
            if (cast.seat) continue;
            const Role& goes = *recipe_.role(cast.role);
            for (const Role& keeps : recipe_.roles) {
                if (keeps.id == goes.id || keeps.plays != goes.plays) continue;
                const auto merged = shared(recipe_, keeps.id, goes.id);
                if (!merged) continue;
                if (auto plan = planAfter({}, *merged)) {
                    out_.ways.push_back({WayRound::Kind::Shared,
                                         say("one {} for both: \"{}\" does the work of \"{}\" too, under one set of "
                                             "knobs",
                                             site_.functions->find(goes.plays)->name, keeps.name, goes.name),
                                         0, std::move(plan)});
                    break;
                }
            }
        }
    }

    void borrow(const Function& function) {
        const ModuleInfo* smallest = nullptr;
        for (const auto& [id, module] : site_.library->modules())
            for (const PartInfo& part : module.parts)
                for (const PartBlock& block : part.blocks)
                    if (block.type->id == function.providers.front().block &&
                        (!smallest || module.description.hp < smallest->description.hp))
                        smallest = &module;
        if (!smallest) return;
        out_.ways.push_back({WayRound::Kind::Borrowed,
                             say("borrow a {}: {} ({} HP) has one", function.name, smallest->description.name,
                                 smallest->description.hp),
                             0, std::nullopt});
    }

    const Recipe& recipe_;
    const Values& values_;
    const Site& site_;
    AllotAsk ask_;
    std::string voice_;
    Shortage out_;
};

} // namespace

Shortage whatIsShort(const Recipe& recipe, const Values& values, const Site& site, const AllotAsk& ask,
                     const Allotment& best, const std::string& voice, const std::function<bool()>& goesOn) {
    return Shortages(recipe, values, site, ask, voice).find(best, goesOn);
}

Result<Planned> planRecipe(const PlanAsk& ask, const Site& site, const std::function<bool()>& goesOn) {
    auto values = wishValues(*ask.recipe, ask.wishes);
    if (!values) return tl::unexpected(values.error());
    Planned out{chosen(*ask.recipe, *values), std::move(*values), {}, {}};
    const std::string voice = ask.voice.empty() ? out.recipe.name : ask.voice;
    AllotAsk allotAsk = ask.allot;
    // All plans together take the time of one: the best gets most of it, the others what is left.
    const auto began = std::chrono::steady_clock::now();
    const auto left = [&] {
        return ask.allot.seconds - std::chrono::duration<double>(std::chrono::steady_clock::now() - began).count();
    };
    while (out.plans.size() < ask.plans) {
        if (!out.plans.empty() && left() < kLeastSeconds) break;
        allotAsk.seconds = out.plans.empty() ? kShareOfBest * ask.allot.seconds
                                             : left() / static_cast<double>(ask.plans - out.plans.size());
        auto allotment = allot(out.recipe, site, allotAsk);
        if (allotment && out.plans.empty() && !allotment->complete() && !allotment->isShort()) {
            allotAsk.seconds = ask.allot.seconds; // not clear yet: then it may take longer
            allotment = allot(out.recipe, site, allotAsk);
        }
        if (!allotment && !out.plans.empty()) break;
        if (!allotment) return tl::unexpected(allotment.error());
        if (!allotment->complete()) {
            if (out.plans.empty() && !allotment->isShort())
                return failure(say("time ran out before it was clear whether this case can play it; try it once more, "
                                   "or beside less"));
            if (out.plans.empty())
                out.shortage = whatIsShort(out.recipe, out.values, site, ask.allot, *allotment, voice, goesOn);
            break;
        }
        // Once there is one without, nobody wants others with stand-ins.
        if (!out.plans.empty() && allotment->standIns() > out.plans.front().allotment.standIns()) break;
        allotAsk.notAgain.push_back(allotment->kind());
        auto plan = makePlan(out.recipe, out.values, site, allotAsk, std::move(*allotment), voice);
        if (!plan) return tl::unexpected(plan.error());
        out.plans.push_back(std::move(*plan));
        if (goesOn && !goesOn()) break;
    }
    return out;
}

} // namespace lariat
