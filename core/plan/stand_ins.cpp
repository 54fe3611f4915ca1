#include "plan/stand_ins.h"

#include "engine/render.h"
#include "library/check.h"
#include "plan/keep.h"
#include "plan/plan.h"
#include "plan/telling.h"

#include <algorithm>
#include <set>

namespace lariat {
namespace {

constexpr double kSolves = 1.0;  ///< seconds for the solver
constexpr double kListens = 4.0; ///< seconds of either patch

class Seating {
  public:
    Seating(const Patch& before, const Library& library, const Functions& functions, const Case& to, Rehousing moved)
        : before_(before), library_(library), functions_(functions), to_(to), out_{std::move(moved), {}, 0.0} {}

    Result<Housed> run() {
        std::set<std::string> wanted;
        for (const Post& post : before_.posts)
            if (!out_.moved.patch.post(post.id)) wanted.insert(post.id);
        // Whoever nobody can play is left out, until the others can be.
        while (!wanted.empty()) {
            auto left = seat(wanted);
            if (!left) return tl::unexpected(left.error());
            if (left->size() == wanted.size()) break;
            wanted = std::move(*left);
        }
        return std::move(out_);
    }

  private:
    /// Seats those posts, or says which of them are left once what cannot be played is gone. All of them: it is done.
    Result<std::set<std::string>> seat(const std::set<std::string>& wanted) {
        auto known = before_;
        std::vector<std::string> gone;
        for (const Post& post : before_.posts)
            if (!wanted.contains(post.id) && !out_.moved.patch.post(post.id)) gone.push_back(post.id);
        for (const std::string& post : gone) {
            auto without = applyEdit(known, RemovePost{post});
            if (!without) return tl::unexpected(without.error());
            known = std::move(*without);
        }
        auto parts = keepParts(known, library_, functions_, wanted);
        if (!parts) return tl::unexpected(parts.error());
        const Site site{&library_, &functions_, &to_, out_.moved.patch};
        AllotAsk ask;
        ask.seconds = kSolves;
        for (const auto& [role, spot] : parts->spots)
            if (spot.stays) ask.pinned[role] = keyOf(spot, parts->recipe.role(role)->plays);
        std::set<std::string> left = wanted;
        for (const std::string& post : wanted)
            if (std::ranges::none_of(parts->spots, [&](const auto& one) { return one.second.post == post; }))
                left.erase(post); // it is tied to nothing: no role
        if (left.size() < wanted.size()) return left;
        auto values = wishValues(parts->recipe, {});
        if (!values) return tl::unexpected(values.error());
        auto allotment = allot(parts->recipe, site, ask);
        if (!allotment) return std::set<std::string>(); // a word that no function has
        for (const Casting& cast : allotment->castings) {
            if (cast.seat) continue;
            const KeptParts::Spot& spot = parts->spots.at(cast.role);
            if (spot.stays)
                leaveWhatIsTiedTo(spot.post, left);
            else
                left.erase(spot.post);
        }
        if (left.size() < wanted.size()) return left;
        auto plan = makePlan(parts->recipe, *values, site, ask, std::move(*allotment), "stand-ins");
        if (!plan) return tl::unexpected(plan.error());
        return take(*parts, *plan, wanted);
    }

    /// A part that is only alike may lack the words by which they were tied.
    void leaveWhatIsTiedTo(const std::string& post, std::set<std::string>& left) const {
        for (const Cable& cable : before_.cables) {
            if (cable.from.post == post) left.erase(cable.to.post);
            if (cable.to.post == post) left.erase(cable.from.post);
        }
    }

    [[nodiscard]] std::string keyOf(const KeptParts::Spot& spot, const std::string& function) const {
        const Post& post = *out_.moved.patch.post(spot.post);
        Seat seat;
        seat.slot = post.slot;
        seat.module = post.module;
        seat.part = library_.part(post);
        seat.block = spot.block;
        seat.channel = std::max(1, spot.channel);
        seat.provider = &functions_.find(function)->providers.front();
        return seat.key();
    }

    /// The patch as the plan has it, with names, voices and rows as they were.
    Result<std::set<std::string>> take(const KeptParts& parts, const Plan& plan, const std::set<std::string>& wanted) {
        Patch after = plan.after;
        const Patch& there = out_.moved.patch;
        for (Post& post : after.posts) {
            if (there.post(post.id)) continue;
            for (const auto& [role, at] : plan.posts) {
                const KeptParts::Spot& spot = parts.spots.at(role);
                if (at != post.id || spot.stays) continue;
                const Post& was = *before_.post(spot.post);
                post.voice = was.voice;
                if (std::ranges::none_of(after.posts, [&](const Post& one) { return one.name == was.name; }))
                    post.name = was.name;
                break;
            }
        }
        // Numbers of cables that are not there yet may be those of others that are to have them back.
        int highest = 0;
        for (const Cable& cable : before_.cables) highest = std::max(highest, cable.id);
        for (Cable& cable : after.cables)
            if (!there.cable(cable.id)) cable.id = ++highest;
        for (std::size_t c = 0; c < parts.cables.size(); ++c) {
            const RecipeCable& cable = parts.recipe.cables[c];
            const Cable* was = before_.cable(parts.cables[c]);
            const JackInfo* into = plan.allotment.of(cable.to.role)->seat->jack(cable.to.word, false);
            if (!was || !into) continue;
            const auto now =
                std::ranges::find(after.cables, JackRef{plan.posts.at(cable.to.role), into->id}, &Cable::to);
            if (now == after.cables.end() || before_.cable(now->id)) continue;
            now->id = was->id;
            now->voice = was->voice;
        }
        // Rows come back to where they were; what is new, such as a mixer's way out, stays behind them.
        const auto row = [&](const Cable& cable) {
            const auto at = std::ranges::find(before_.cables, cable.id, &Cable::id);
            return at == before_.cables.end() ? before_.cables.size()
                                              : static_cast<std::size_t>(at - before_.cables.begin());
        };
        std::stable_sort(after.cables.begin(), after.cables.end(),
                         [&](const Cable& a, const Cable& b) { return row(a) < row(b); });
        auto checked = checkPatch(std::move(after), library_);
        if (!checked) return tl::unexpected(checked.error());
        tell(parts, plan, wanted);
        out_.moved.patch = std::move(*checked);
        // A wire behind the panel there may do what a cable did here.
        std::set<int> needless;
        for (std::size_t c = 0; c < parts.cables.size(); ++c)
            if (plan.allotment.routings[c].way != Routing::Way::Tie) needless.insert(parts.cables[c]);
        out_.moved.cablesLost = static_cast<int>(std::ranges::count_if(before_.cables, [&](const Cable& cable) {
            return !out_.moved.patch.cable(cable.id) && !needless.contains(cable.id);
        }));
        return wanted;
    }

    void tell(const KeptParts& parts, const Plan& plan, const std::set<std::string>& wanted) {
        out_.moved.missing.clear();
        for (const Post& post : before_.posts) {
            if (!wanted.contains(post.id)) {
                if (!out_.moved.patch.post(post.id)) out_.moved.missing.push_back(post.name);
                continue;
            }
            std::set<std::string> said; // several channels of one bank are told once
            for (const Casting& cast : plan.allotment.castings) {
                if (parts.spots.at(cast.role).post != post.id) continue;
                const ModuleInfo& module = *library_.module(cast.seat->module);
                std::string by = module.description.name;
                if (module.parts.size() > 1) by += " " + cast.seat->part->name;
                if (cast.seat->provider->channels > 1) by += fmt::format(" {}", cast.seat->channel);
                const Provider& provider = *cast.seat->provider;
                if (said.insert(by).second)
                    out_.standIns.push_back({post.name, by, provider.standsIn() ? provider.because : Sentence{}});
            }
        }
    }

    const Patch& before_;
    const Library& library_;
    const Functions& functions_;
    const Case& to_;
    Housed out_;
};

} // namespace

Result<Housed> rehouseWithStandIns(const Patch& patch, const Library& library, const Functions& functions,
                                   const Case& to, const std::function<bool(double)>& goesOn) {
    auto moved = rehouse(patch, library, to);
    if (!moved) return tl::unexpected(moved.error());
    if (moved->missing.empty()) return Housed{std::move(*moved), {}, 0.0};
    auto out = Seating(patch, library, functions, to, std::move(*moved)).run();
    if (!out || out->standIns.empty()) return out;
    RenderOptions options;
    options.seconds = kListens;
    double done = 0.0;
    options.progress = [&](double part) { return !goesOn || goesOn(0.5 * (done + part)); };
    auto here = render(patch, library, options);
    if (!here) return tl::unexpected(here.error());
    done = 1.0;
    auto there = render(out->moved.patch, library, options);
    if (!there) return tl::unexpected(there.error());
    out->apart = std::max(soundDistance(here->left, there->left, here->engineRate),
                          soundDistance(here->right, there->right, here->engineRate));
    return out;
}

} // namespace lariat
