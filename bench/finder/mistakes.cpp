// How well mistakes are found: random sound patches, one mistake seeded into each, and what is said of them.
//
// Usage: lariat-mistakes [patches] [mistakes a patch] [-v]
#include "findings/trial.h"
#include "model/file.h"
#include "support/seeded.h"

#include <chrono>
#include <cstdio>
#include <map>

#include <fmt/format.h>

using namespace lariat;
using namespace lariat::test;

namespace {

struct Score {
    int seeded = 0, explained = 0, offered = 0, cured = 0;
};

using Clock = std::chrono::steady_clock;
double since(Clock::time_point begin) {
    return std::chrono::duration<double>(Clock::now() - begin).count();
}

/// Seconds spent so far: running, looking, trying.
double ran = 0.0, looked = 0.0, tried = 0.0;

Found look(const Patch& patch) {
    const auto begin = Clock::now();
    const auto observed = observe(patch, workspace().library, workspace().housing(patch));
    ran += since(begin);
    const auto then = Clock::now();
    (void)everythingIn(*observed);
    const double once = since(then);
    looked += once;
    const auto last = Clock::now();
    Found found = *findEverything(*observed);
    tried += since(last) - once;
    return found;
}

std::string lineOf(const Finding& finding) {
    return fmt::format("{} ({}, cable {}): {} — {}", finding.rule, finding.post, finding.cable, finding.figure.str(),
                       finding.reason.str());
}

/// The first cure leaves nothing of that rule at its place.
bool cures(const Finding& finding, const Seeded& seeded) {
    const auto mended = applyEdits(seeded.patch, finding.fixes.front().edits);
    if (!mended) return false;
    for (const Finding& left : look(*mended).open)
        if (left.rule == finding.rule && left.post == finding.post && left.cable == finding.cable) return false;
    return true;
}

} // namespace

int main(int argc, char** argv) {
    const int patches = argc > 1 ? std::atoi(argv[1]) : 50;
    const int each = argc > 2 ? std::atoi(argv[2]) : 6;
    const bool tells = argc > 3;
    int alarms = 0;
    int alarmed = 0;
    double longest = 0.0;
    std::map<std::string, Score> scores;
    for (int p = 1; p <= patches; ++p) {
        const auto seed = static_cast<std::uint32_t>(p);
        const Patch sound = soundPatch(seed);
        int here = 0;
        for (const Finding& finding : look(sound).open) {
            if (finding.severity != Severity::Mistake && finding.severity != Severity::Caution) continue;
            ++here;
            fmt::print("ALARM in {}: {} {}\n", p, severityName(finding.severity), lineOf(finding));
        }
        alarms += here;
        alarmed += here > 0 ? 1 : 0;
        auto all = mistakesIn(sound, seed);
        if (all.size() > static_cast<std::size_t>(each)) all.resize(static_cast<std::size_t>(each));
        for (const Seeded& seeded : all) {
            const auto begin = Clock::now();
            const Found found = look(seeded.patch);
            const double took = since(begin);
            if (tells && took > 1.0) fmt::print("{:.1f} s for {}: {}\n", took, p, seeded.name);
            longest = std::max(longest, took);
            Score& score = scores[seeded.sort];
            ++score.seeded;
            const Finding* why = explanation(found.open, seeded);
            if (!why && tells)
                (void)writeFile(fmt::format("/tmp/missed-{}-{}.json", p, score.seeded), writePatch(seeded.patch),
                                FileKind::Patch);
            if (!why) {
                fmt::print("MISSED in {} ({}): {}\n", p, seeded.sort, seeded.name);
                for (const Finding& finding : found.open) fmt::print("    said: {}\n", lineOf(finding));
                continue;
            }
            ++score.explained;
            if (why->fixes.empty()) {
                fmt::print("NO CURE in {}: {}\n    {}\n", p, seeded.name, lineOf(*why));
                if (tells) {
                    const auto observed = observe(seeded.patch, workspace().library, workspace().housing(seeded.patch));
                    const auto before = everythingIn(*observed);
                    for (const Finding& raw : before)
                        if (raw.rule == why->rule && raw.post == why->post && raw.cable == why->cable)
                            for (const Fix& fix : raw.fixes)
                                fmt::print("        {}: {}\n", fix.label.str(),
                                           tryFix(fix, raw, before, *observed).why);
                }
                continue;
            }
            ++score.offered;
            if (cures(*why, seeded))
                ++score.cured;
            else
                fmt::print("NOT CURED in {}: {} by {}\n", p, seeded.name, why->fixes.front().label.str());
        }
    }
    Score sum;
    for (const auto& [sort, score] : scores) {
        fmt::print("{}: {} of {} explained, {} with a cure, {} cured\n", sort, score.explained, score.seeded,
                   score.offered, score.cured);
        sum.seeded += score.seeded;
        sum.explained += score.explained;
        sum.offered += score.offered;
        sum.cured += score.cured;
    }
    fmt::print("all: {} of {} explained ({:.1f} %), {} with a cure, {} cured ({:.1f} % of those explained)\n",
               sum.explained, sum.seeded, 100.0 * sum.explained / sum.seeded, sum.offered, sum.cured,
               100.0 * sum.cured / sum.explained);
    fmt::print("sound patches: {} alarms in {} of {}\nlongest look {:.2f} s; running {:.1f} s, looking {:.1f} s, "
               "trying {:.1f} s\n",
               alarms, alarmed, patches, longest, ran, looked, tried);
}
