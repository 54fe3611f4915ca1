#include "findings/trial.h"

#include "engine/side_by_side.h"
#include "library/check.h"

#include <algorithm>
#include <atomic>
#include <cmath>
#include <set>

namespace lariat {
namespace {

#ifdef LARIAT_FEW_TRIALS // under the sanitizers each takes ten times as long
constexpr int kTrials = 6;
#else
constexpr int kTrials = kMostTrials;
#endif
constexpr std::size_t kRound = 4; ///< trials that are made side by side

/// Found without listening: cables of the bag, seats of the case. What mends them needs no trial.
bool isOfThePaper(const Finding& finding) {
    return finding.rule.starts_with("cable-") || finding.rule == "not-in-case" || finding.rule == "overload";
}
/// Rules that name why nothing is heard: a cure of one may show the next.
bool isSilence(const std::string& rule) {
    return rule == "no-sound" || rule == "closed" || rule == "zero-attenuator" || rule == "no-path";
}

bool samePlace(const Finding& a, const Finding& b) {
    return a.cable != 0 && b.cable != 0 ? a.cable == b.cable : a.post == b.post;
}

/// Posts that a cure lays hands on.
std::set<std::string> touched(const Fix& fix, const Patch& patch) {
    std::set<std::string> posts;
    for (const Edit& edit : fix.edits)
        std::visit(
            [&](const auto& one) {
                if constexpr (requires { one.cable.from.post; }) posts.insert({one.cable.from.post, one.cable.to.post});
                if constexpr (requires {
                                  one.from.post;
                                  one.to.post;
                              })
                    posts.insert({one.from.post, one.to.post});
                if constexpr (requires { patch.cable(one.id); })
                    if (const Cable* cable = patch.cable(one.id)) posts.insert({cable->from.post, cable->to.post});
                if constexpr (requires { one.post.size(); }) posts.insert(one.post);
            },
            edit);
    return posts;
}

} // namespace

Verdict tryFix(const Fix& fix, const Finding& finding, const std::vector<Finding>& before, const Observation& was,
               const std::function<bool(double)>& progress) {
    using enum Verdict::Worth;
    if (fix.edits.empty()) return {None, "it changes nothing"};
    auto patch = applyEdits(was.patch, fix.edits).and_then([&](Patch made) {
        return checkPatch(std::move(made), *was.library);
    });
    if (!patch) return {None, patch.error().reason.str()};
    // As long as it was looked at, and no longer than that.
    const auto now = observe(*patch, *was.library, was.housing,
                             was.seconds > kObservedSeconds ? std::min(was.seconds, kLongestTrial)
                                                            : std::min(was.seconds, kTrialSeconds),
                             progress);
    if (!now) return {None, now.error().reason.str()};
    const std::vector<Finding> found = everythingIn(*now);
    const bool silence = isSilence(finding.rule);
    const auto still = [&](const Finding& other) {
        const bool sameRule = silence ? isSilence(other.rule) : other.rule == finding.rule;
        return sameRule && isProblem(other) && samePlace(other, finding);
    };
    const auto countOf = [&](const std::vector<Finding>& all) {
        return std::ranges::count_if(
            all, [&](const Finding& other) { return other.rule == finding.rule && isProblem(other); });
    };
    const auto wasThere = [&](const Finding& other) {
        return std::ranges::any_of(before, [&](const Finding& old) {
            return old.rule == other.rule && samePlace(old, other) && old.post == other.post;
        });
    };
    if (std::ranges::any_of(found, still)) return {None, "it is still there"};
    std::set<int> moved;
    for (const Edit& edit : fix.edits)
        if (const auto* move = std::get_if<MoveCable>(&edit)) moved.insert(move->id);
    for (const Finding& other : found)
        if (silence && isSilence(other.rule) && isProblem(other) && other.post == finding.post && !wasThere(other) &&
            moved.contains(other.cable))
            return {None, "it is found beside: " + other.reason.str()};
    if (!silence && isProblem(finding) && countOf(found) >= countOf(before)) return {None, "it is found elsewhere"};
    // Everything that was alive still is; what was laid hands on may have become another thing.
    const std::set<std::string> hands = touched(fix, was.patch);
    for (const auto& [jack, source] : was.flow->graph().outputs) {
        const auto here = now->flow->graph().outputs.find(jack);
        if (hands.contains(jack.post) || here == now->flow->graph().outputs.end()) continue;
        if (was.lives.of(source).alive() && was.lives.of(source).since < 0.8 * now->seconds &&
            !now->lives.of(here->second).alive())
            return {None, jack.text() + " falls silent"};
    }
    const auto isNew = [&](const Finding& other) {
        return other.severity == Severity::Mistake && std::ranges::none_of(before, [&](const Finding& old) {
                   return old.rule == other.rule && samePlace(old, other);
               });
    };
    // What led nowhere was not heard, and its own faults were not to be found.
    const auto ran = [&](const std::string& post) {
        for (int n = 0; n < was.flow->nodeCount(); ++n)
            if (was.flow->node(n).post == post) return true;
        return false;
    };
    const auto leadsThroughNew = [&](const Finding& other) {
        return !ran(other.post) ||
               std::ranges::any_of(other.walk, [&](const Link& link) { return !ran(link.jack.post); });
    };
    std::set<std::string> turned; // what is found where a knob was turned was not hidden
    for (const Edit& edit : fix.edits)
        if (const auto* knob = std::get_if<SetKnob>(&edit); knob && knob->post != finding.post)
            turned.insert(knob->post);
    bool shows = false;
    for (const Finding& other : found) {
        if (!isNew(other)) continue;
        const bool hidden = silence || other.rule == "no-tune" || (isSilence(other.rule) && leadsThroughNew(other));
        if (!hidden || other.rule == "drone" || turned.contains(other.post))
            return {None, other.rule + ": " + other.figure.str()};
        shows = true;
    }
    if (!shows) return {Good, {}};
    // Another place of the same silence is no step forward; something has to have come to life.
    const auto alive = [](const Observation& o) {
        return std::ranges::count_if(o.flow->graph().outputs,
                                     [&](const auto& jack) { return o.lives.of(jack.second).alive(); });
    };
    if (silence && alive(*now) <= alive(was)) return {None, "nothing comes to life"};
    return {Shows, {}};
}

std::optional<int> tryFixes(std::vector<Finding>& findings, const Observation& observed,
                            const std::function<bool(double)>& progress) {
    const std::vector<Finding> before = findings;
    // The first cure of each finding, then the second ones: what comes first is likeliest.
    struct Task {
        std::size_t finding;
        std::size_t fix;
        Verdict::Worth worth = Verdict::Worth::None;
    };
    std::vector<Task> tasks;
    std::size_t most = 0;
    for (const Finding& finding : before) most = std::max(most, finding.fixes.size());
    for (std::size_t fix = 0; fix < most; ++fix)
        for (std::size_t f = 0; f < before.size(); ++f)
            if (fix < before[f].fixes.size() && !isOfThePaper(before[f])) tasks.push_back({f, fix});
    std::vector<int> good(before.size());
    // What a trial costs goes with the size of the patch.
    const double size = std::max(kUsualCables, static_cast<double>(observed.patch.cables.size()));
    int left = std::max(2, static_cast<int>(std::lround(kTrials * kUsualCables / size)));
    int untried = 0;
    std::atomic<bool> stopped = false;
    const auto goesOn = [&](double) {
        if (progress && !progress(1.0)) stopped = true;
        return !stopped;
    };
    // In rounds of so many, however many processors there are: what is tried does not depend on who is quickest.
    for (auto next = tasks.begin(); next != tasks.end() && !stopped;) {
        std::vector<Task*> round;
        std::vector<int> hoped = good; // if all of this round are
        for (; next != tasks.end() && round.size() < kRound; ++next) {
            if (good[next->finding] >= kMostCures) continue;
            if (hoped[next->finding]++ >= kMostCures) break; // they may be enough
            if (left > 0)
                round.push_back(&*next);
            else
                ++untried;
            --left;
        }
        // One processor is left to the window and the sound.
        sideBySide(round.size(), std::clamp(processors() - 1, 1u, 4u), [&](std::size_t t) {
            const Finding& finding = before[round[t]->finding];
            if (!stopped)
                round[t]->worth = tryFix(finding.fixes[round[t]->fix], finding, before, observed, goesOn).worth;
        });
        for (const Task* task : round)
            if (task->worth == Verdict::Worth::Good) ++good[task->finding];
    }
    if (stopped) return std::nullopt;
    for (std::size_t f = 0; f < findings.size(); ++f) {
        if (isOfThePaper(findings[f])) continue;
        findings[f].fixes.clear();
        // One that shows what was hidden is offered only where none leaves all in order.
        for (const auto worth : {Verdict::Worth::Good, Verdict::Worth::Shows})
            if (worth == Verdict::Worth::Good || findings[f].fixes.empty())
                for (const Task& task : tasks)
                    if (task.finding == f && task.worth == worth && findings[f].fixes.size() < kMostCures)
                        findings[f].fixes.push_back(before[f].fixes[task.fix]);
    }
    return untried;
}

} // namespace lariat
