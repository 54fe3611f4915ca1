#include "plan/seek.h"

#include "engine/side_by_side.h"

#include <algorithm>
#include <atomic>
#include <cmath>
#include <mutex>
#include <numeric>
#include <set>

#include <nlopt.hpp>

namespace lariat {
namespace {

using Point = std::vector<double>; ///< parts of the travel, knob by knob

/// Halton's sequence: the n-th point of a set that leaves no large gaps.
double halton(int n, int base) {
    double out = 0.0;
    double part = 1.0;
    for (; n > 0; n /= base) {
        part /= base;
        out += part * (n % base);
    }
    return out;
}

class Seeker {
  public:
    Seeker(const Patch& patch, const Library& library, const std::vector<Goal>& goals,
           const std::vector<SeekKnob>& knobs, const SeekOptions& options)
        : patch_(patch), library_(library), goals_(goals), knobs_(knobs), options_(options) {}

    Result<Sought> run() {
        if (auto fine = prepare(); !fine) return tl::unexpected(fine.error());
        Sought out;
        auto first = measure(start_);
        if (!first) return tl::unexpected(first.error());
        Tried best{start_, *first, missOf(*first)};
        out.wasThere = holds(best);
        if (!out.wasThere && !knobs_.empty()) {
            std::vector<Tried> found = lookOver(best);
            if (stopped_) return failure(say("stopped"));
            best = closely(found);
            if (stopped_) return failure(say("stopped"));
        }
        out.goals = best.goals;
        out.met = holds(best);
        out.knobs = ranges(best, out.met);
        if (stopped_) return failure(say("stopped"));
        for (const FoundKnob& knob : out.knobs)
            if (!out.wasThere) out.edits.emplace_back(SetKnob{knob.post, knob.knob, knob.value});
        out.runs = runs_;
        return out;
    }

  private:
    struct Tried {
        Point at;
        std::vector<GoalReading> goals;
        double miss = 0.0;
    };

    /// The part of a knob's travel that it may be turned over.
    struct Travel {
        const Scale* scale;
        double low;
        double high;
        [[nodiscard]] double valueAt(double part) const {
            return scale->toValue(low + (high - low) * std::clamp(part, 0.0, 1.0));
        }
        [[nodiscard]] double partOf(double value) const {
            return std::clamp((scale->toFraction(value) - low) / (high - low), 0.0, 1.0);
        }
    };

    Result<void> prepare() {
        if (goals_.empty()) return failure(say("there is nothing to measure: say what is wanted"));
        if (knobs_.size() > kMostSeekKnobs)
            return failure(
                say("{} knobs are too many to be found at once; {} are allowed", knobs_.size(), kMostSeekKnobs));
        for (const Goal& goal : goals_)
            if (!(goal.within > 0.0) || !std::isfinite(goal.want) || !std::isfinite(goal.within))
                return failure(say("{}: say how far off is still good", goal.name));
        for (const SeekKnob& one : knobs_) {
            const Post* post = patch_.post(one.post);
            const KnobInfo* knob = post ? library_.part(*post)->knob(one.knob) : nullptr;
            if (!knob) return failure(say("there is no knob {}.{}", one.post, one.knob));
            if (knob->momentary || knob->scale.taper == Taper::Switch)
                return failure(say("{} of {} is no knob that can be turned bit by bit", knob->name, post->name));
            if (post->locked.contains(one.knob))
                return failure(say("{} of {} is locked: unlock it first", knob->name, post->name));
            const double low = one.low ? knob->scale.toFraction(*one.low) : 0.0;
            const double high = one.high ? knob->scale.toFraction(*one.high) : 1.0;
            if (!(high > low)) return failure(say("{} of {} has no room to be turned", knob->name, post->name));
            travels_.push_back({&knob->scale, low, high});
            start_.push_back(travels_.back().partOf(knobValue(*post, *knob)));
        }
        return {};
    }

    [[nodiscard]] bool goesOn() {
        if (stopped_) return false;
        if (options_.progress && !options_.progress(std::min(0.99, static_cast<double>(runs_) / options_.mostRuns)))
            stopped_ = true;
        return !stopped_;
    }

    [[nodiscard]] Patch with(const Point& at) const {
        Patch out = patch_;
        for (std::size_t i = 0; i < knobs_.size(); ++i) {
            const auto post = std::ranges::find(out.posts, knobs_[i].post, &Post::id);
            post->knobs[knobs_[i].knob] = travels_[i].valueAt(at[i]);
        }
        return out;
    }

    Result<std::vector<GoalReading>> measure(const Point& at) {
        ++runs_;
        return measureGoals(with(at), library_, goals_, [this] { return !stopped_; });
    }

    /// Large misses count by their logarithm, so that the way down is seen from afar.
    static double missOf(const std::vector<GoalReading>& goals) {
        double sum = 0.0;
        for (const GoalReading& goal : goals) {
            const double miss = goal.miss();
            sum += miss <= 1.0 ? 0.5 * miss * miss : 0.5 + std::log(miss);
        }
        return sum;
    }

    static bool holds(const Tried& tried) { return std::ranges::all_of(tried.goals, &GoalReading::met); }

    /// Does the work for each index, on several threads.
    void eachAtOnce(std::size_t count, const std::function<void(std::size_t)>& work) {
        const auto wanted =
            options_.threads > 0 ? static_cast<unsigned>(options_.threads) : std::max(1u, processors() - 1);
        sideBySide(count, wanted, [&](std::size_t i) {
            if (!stopped_) work(i);
        });
    }

    /// The best places of a wide look, best first.
    std::vector<Tried> lookOver(const Tried& present) {
        constexpr int kPrimes[] = {2, 3, 5, 7, 11, 13, 17, 19};
        const int count =
            std::min(options_.mostRuns / 2, knobs_.size() == 1 ? 20 : 16 * static_cast<int>(knobs_.size()));
        std::vector<Tried> all(static_cast<std::size_t>(count));
        std::mutex guard;
        eachAtOnce(all.size(), [&](std::size_t n) {
            Point at;
            // Half of them near the start, which is an informed guess.
            const bool near = n % 2 == 0;
            for (std::size_t k = 0; k < knobs_.size(); ++k) {
                const double where = halton(static_cast<int>(n) + 1, kPrimes[k]);
                at.push_back(near ? std::clamp(start_[k] + 0.3 * (where - 0.5), 0.0, 1.0) : where);
            }
            auto goals = measure(at);
            const std::lock_guard lock(guard);
            if (!goals || !goesOn()) return;
            const double miss = missOf(*goals);
            all[n] = {std::move(at), std::move(*goals), miss};
        });
        std::erase_if(all, [](const Tried& one) { return one.goals.empty(); });
        all.push_back(present);
        std::ranges::stable_sort(all, {}, &Tried::miss);
        return all;
    }

    /// From the two best places on, each by itself.
    Tried closely(const std::vector<Tried>& found) {
        std::vector<Tried> ends{found.front()};
        for (const Tried& one : found) {
            double apart = 0.0;
            for (std::size_t k = 0; k < knobs_.size(); ++k)
                apart = std::max(apart, std::abs(one.at[k] - ends[0].at[k]));
            if (apart > 0.1) {
                ends.push_back(one);
                break;
            }
        }
        const int each = std::max(20, (options_.mostRuns - runs_) / static_cast<int>(2 * ends.size()));
        std::atomic<bool> enough = false;
        std::mutex guard;
        eachAtOnce(ends.size(), [&](std::size_t n) {
            Tried best = ends[n];
            const auto dimensions = static_cast<unsigned>(knobs_.size());
            nlopt::opt local(nlopt::LN_SBPLX, dimensions);
            local.set_lower_bounds(0.0);
            local.set_upper_bounds(1.0);
            local.set_initial_step(0.06);
            local.set_maxeval(each);
            local.set_xtol_abs(1e-6);
            // Half a tolerance is well inside: the knob may be set a little beside it.
            local.set_stopval(0.125 * 0.25);
            auto cost = [&](const Point& at) {
                auto goals = measure(at);
                const std::lock_guard lock(guard);
                if (!goals || !goesOn() || (enough && !holds(best))) throw nlopt::forced_stop();
                const double miss = missOf(*goals);
                if (miss < best.miss) best = {at, std::move(*goals), miss};
                return miss;
            };
            using Cost = decltype(cost);
            local.set_min_objective([](const Point& at, Point&, void* data) { return (*static_cast<Cost*>(data))(at); },
                                    &cost);
            Point at = best.at;
            double least = 0.0;
            try {
                local.optimize(at, least);
            } catch (const nlopt::forced_stop&) {
            } catch (const std::exception&) { // it came to rest by round-off: the best is kept
            }
            const std::lock_guard lock(guard);
            if (holds(best)) enough = true;
            ends[n] = std::move(best);
        });
        return *std::ranges::min_element(ends, {}, &Tried::miss);
    }

    std::vector<FoundKnob> ranges(const Tried& best, bool met) {
        std::vector<FoundKnob> out(knobs_.size());
        for (std::size_t k = 0; k < knobs_.size(); ++k) {
            const double value = travels_[k].valueAt(best.at[k]);
            out[k] = {knobs_[k].post, knobs_[k].knob, value, value, value, 0.0};
        }
        if (!met) return out;
        eachAtOnce(2 * knobs_.size(), [&](std::size_t n) {
            const std::size_t k = n / 2;
            const double end = n % 2 == 0 ? 0.0 : 1.0;
            const auto good = [&](double where) {
                Point at = best.at;
                at[k] = where;
                auto goals = measure(at);
                return goals && std::ranges::all_of(*goals, &GoalReading::met);
            };
            double inside = best.at[k];
            double outside = end;
            // Outwards in growing steps, then between.
            double step = 0.01;
            bool open = true;
            while (open && !stopped_) {
                const double where = end > inside ? std::min(end, inside + step) : std::max(end, inside - step);
                if (where == inside) {
                    outside = inside;
                    break;
                }
                if (good(where)) {
                    inside = where;
                    step *= 3.0;
                } else {
                    outside = where;
                    open = false;
                }
            }
            for (int i = 0; i < 4 && std::abs(outside - inside) > 0.002 && !stopped_; ++i) {
                const double middle = 0.5 * (inside + outside);
                (good(middle) ? inside : outside) = middle;
            }
            (end == 0.0 ? out[k].low : out[k].high) = travels_[k].valueAt(inside);
        });
        for (std::size_t k = 0; k < knobs_.size(); ++k)
            out[k].room = travels_[k].scale->toFraction(out[k].high) - travels_[k].scale->toFraction(out[k].low);
        (void)goesOn();
        return out;
    }

    const Patch& patch_;
    const Library& library_;
    const std::vector<Goal>& goals_;
    const std::vector<SeekKnob>& knobs_;
    const SeekOptions& options_;
    std::vector<Travel> travels_;
    Point start_;
    std::atomic<int> runs_ = 0;
    std::atomic<bool> stopped_ = false;
};

} // namespace

std::vector<std::size_t> Sought::bySensitivity() const {
    std::vector<std::size_t> out(knobs.size());
    std::iota(out.begin(), out.end(), std::size_t{0});
    std::ranges::stable_sort(out, {}, [&](std::size_t i) { return knobs[i].room; });
    return out;
}

Result<Sought> seek(const Patch& patch, const Library& library, const std::vector<Goal>& goals,
                    const std::vector<SeekKnob>& knobs, const SeekOptions& options) {
    return Seeker(patch, library, goals, knobs, options).run();
}

Result<std::vector<Goal>> goalsOf(const Planned& planned, const Plan& plan) {
    std::vector<Goal> out;
    for (const RecipeGoal& goal : planned.recipe.goals) {
        auto want = evaluate(goal.want, planned.values);
        if (!want) return tl::unexpected(want.error());
        auto within = evaluate(goal.within, planned.values);
        if (!within) return tl::unexpected(within.error());
        auto from = evaluate(goal.from, planned.values);
        if (!from) return tl::unexpected(from.error());
        auto to = evaluate(goal.to, planned.values);
        if (!to) return tl::unexpected(to.error());
        if (!(*from >= 0.0 && *to > *from && *to <= 60.0))
            return failure(say("{}: a window from {:g} to {:g} s is none", goal.name, *from, *to));
        Goal one{goal.name, goal.kind, {}, *want, *within, *from, *to};
        if (!goal.at.role.empty()) {
            const Casting* cast = plan.allotment.of(goal.at.role);
            if (!cast || !cast->seat) continue; // another role does its work
            const JackInfo* jack = cast->seat->jack(goal.at.word, true);
            if (!jack) continue; // a mixer channel has no output of its own: what it does is heard at the way out
            one.at = {plan.posts.at(goal.at.role), jack->id};
        }
        out.push_back(std::move(one));
    }
    return out;
}

std::vector<SeekKnob> trimsOf(const Planned& planned, const Plan& plan) {
    std::vector<SeekKnob> out;
    for (const RecipeTrim& trim : planned.recipe.trims) {
        const Casting* cast = plan.allotment.of(trim.at.role);
        if (!cast || !cast->seat) continue;
        for (const auto& turned : cast->seat->knobs(trim.at.word)) {
            const KnobInfo* knob = turned.first;
            const std::string& post = plan.posts.at(trim.at.role);
            if (knob->scale.taper == Taper::Switch || plan.after.post(post)->locked.contains(knob->id)) continue;
            const bool there =
                std::ranges::any_of(out, [&](const SeekKnob& one) { return one.post == post && one.knob == knob->id; });
            if (!there && out.size() < kMostSeekKnobs) out.push_back({post, knob->id});
        }
    }
    return out;
}

} // namespace lariat
