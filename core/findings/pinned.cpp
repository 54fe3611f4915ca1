// Modulation pinned at its limit: a cutoff that is pushed past the end of its range stays there for much of the time.
//
// A filter goes to cutoff · 2^(v/oct + amounts · volts), as in blocks/svf.cpp and blocks/ladder.cpp.
#include "findings/fixes.h"
#include "findings/rules.h"
#include "measure/measure.h"

#include <algorithm>
#include <cmath>

#include <fmt/format.h>

namespace lariat {
namespace {

constexpr double kLowest = 16.0; ///< Hz, the ends of what a filter can do
constexpr double kHighest = 20000.0;
constexpr double kTooLong = 0.25;  ///< part of the time
constexpr std::size_t kEvery = 64; ///< samples between two looks

} // namespace

Findings findPinned(const Observation& o) {
    Findings out;
    for (const Post& post : o.patch.posts)
        for (const char* type : {"svf", "ladder"}) {
            if (!o.is(post.id, type)) continue;
            std::vector<double> octaves;
            const Cable* strongest = nullptr;
            double widest = 0.0;
            const char* strongestAmount = "";
            const auto add = [&](const char* input, const char* control) {
                const auto volts = o.arriving(post.id, type, input);
                const double amount = *control ? 0.01 * o.knob(post.id, type, control) : 1.0;
                octaves.resize(std::max(octaves.size(), (volts.size() + kEvery - 1) / kEvery), 0.0);
                for (std::size_t i = 0; i * kEvery < volts.size(); ++i)
                    octaves[i] += amount * static_cast<double>(volts[i * kEvery]);
                const double swing = std::abs(amount) * measureLevel(volts).swing().value;
                if (*control && swing > widest) {
                    widest = swing;
                    strongest = o.patch.cableInto(o.jackFor(post.id, type, input));
                    strongestAmount = control;
                }
            };
            add("voct", "");
            add("cv-1", "amount-1");
            add("cv-2", "amount-2");
            if (octaves.empty() || !strongest || widest < 0.5) continue;
            const double cutoff = o.knob(post.id, type, "cutoff", 1000.0);
            const auto beyond = std::ranges::count_if(octaves, [&](double oct) {
                const double hertz = cutoff * std::exp2(oct);
                return hertz < kLowest || hertz > kHighest;
            });
            const double part = static_cast<double>(beyond) / static_cast<double>(octaves.size());
            if (part < kTooLong) continue;
            const auto [low, high] = std::ranges::minmax_element(octaves);
            const double top = cutoff * std::exp2(*high);
            const double reach =
                top > kHighest ? std::log2(kHighest / cutoff) / *high : std::log2(kLowest / cutoff) / *low;
            const double now = o.knob(post.id, type, strongestAmount);
            Finding finding{"pinned",
                            Severity::Caution,
                            strongest->id,
                            post.id,
                            say("at its limit {:.0f} % of the time, {:.0f} to {:.0f} Hz asked for", 100.0 * part,
                                cutoff * std::exp2(*low), top),
                            say("The cutoff of {} is pushed past the end of its range and stays there.", post.name),
                            {}};
            finding.fixes = turnFix(o, post.id, type, strongestAmount, std::trunc(now * std::clamp(reach, 0.0, 0.95)));
            out.push_back(std::move(finding));
        }
    return out;
}

} // namespace lariat
