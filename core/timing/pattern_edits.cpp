#include "timing/pattern_edits.h"

#include "blocks/parts/random.h"
#include "model/pattern_text.h"

#include <algorithm>
#include <cmath>

namespace lariat {
namespace {

constexpr int kVelocityWay = 12;
constexpr double kGateWay = 0.1;

bool isRest(const Step& step) {
    return step.kind == Step::Kind::Rest;
}
bool isRest(Hit hit) {
    return hit == Hit::Rest;
}
void rest(Step& step) {
    step = Step{};
}
void rest(Hit& hit) {
    hit = Hit::Rest;
}

/// Places of the chosen steps that the line has, or all.
template <class Line> std::vector<std::size_t> places(const Line& line, const std::set<int>& chosen) {
    std::vector<std::size_t> out;
    for (std::size_t i = 0; i < line.size(); ++i)
        if (chosen.empty() || chosen.contains(static_cast<int>(i))) out.push_back(i);
    return out;
}

/// The same line with its chosen steps in another order.
template <class Line, class Order> Line reordered(Line line, const std::set<int>& chosen, const Order& order) {
    const auto at = places(line, chosen);
    Line taken;
    for (const std::size_t i : at) taken.push_back(line[i]);
    order(taken);
    for (std::size_t i = 0; i < at.size(); ++i) line[at[i]] = taken[i];
    return line;
}

} // namespace

template <class Line> Line rotated(Line line, const std::set<int>& chosen, int by) {
    return reordered(std::move(line), chosen, [&](Line& taken) {
        if (taken.empty()) return;
        const auto count = static_cast<int>(taken.size());
        std::rotate(taken.begin(), taken.begin() + ((-by % count) + count) % count,
                    taken.end()); // clang 14 cannot compile that of ranges
    });
}

template <class Line> Line reversed(Line line, const std::set<int>& chosen) {
    return reordered(std::move(line), chosen, [](Line& taken) { std::ranges::reverse(taken); });
}

template <class Line> Line thinned(Line line, const std::set<int>& chosen) {
    bool stays = true;
    for (const std::size_t i : places(line, chosen)) {
        if (isRest(line[i])) continue;
        if (!stays) rest(line[i]);
        stays = !stays;
    }
    return line;
}

template <class Line> Line duplicated(Line line, const std::set<int>& chosen) {
    const auto at = places(line, chosen);
    if (at.empty()) return line;
    Line copy;
    for (const std::size_t i : at) copy.push_back(line[i]);
    line.insert(line.begin() + static_cast<long>(at.back()) + 1, copy.begin(), copy.end());
    if (line.size() > kMaxSteps) line.resize(kMaxSteps);
    return line;
}

template <class Line> Line pasted(Line line, int at, const Line& steps) {
    for (std::size_t i = 0; i < steps.size(); ++i)
        if (const std::size_t to = static_cast<std::size_t>(at) + i; to < line.size()) line[to] = steps[i];
    return line;
}

template <class Line> Line lengthened(Line line, int length) {
    const std::size_t wanted = std::clamp<std::size_t>(static_cast<std::size_t>(std::max(1, length)), 1, kMaxSteps);
    const std::size_t before = line.size();
    for (std::size_t i = before; i < wanted; ++i) line.push_back(line[i % before]);
    line.resize(wanted);
    return line;
}

template <class Line> Line cleared(Line line, const std::set<int>& chosen) {
    for (const std::size_t i : places(line, chosen)) rest(line[i]);
    return line;
}

template <class Line> std::set<int> differing(const Line& a, const Line& b) {
    std::set<int> out;
    for (std::size_t i = 0; i < std::max(a.size(), b.size()); ++i)
        if (i >= a.size() || i >= b.size() || a[i] != b[i]) out.insert(static_cast<int>(i));
    return out;
}

#define LARIAT_FOR_LINE(Line)                                                                                          \
    template Line rotated(Line, const std::set<int>&, int);                                                            \
    template Line reversed(Line, const std::set<int>&);                                                                \
    template Line thinned(Line, const std::set<int>&);                                                                 \
    template Line duplicated(Line, const std::set<int>&);                                                              \
    template Line pasted(Line, int, const Line&);                                                                      \
    template Line lengthened(Line, int);                                                                               \
    template Line cleared(Line, const std::set<int>&);                                                                 \
    template std::set<int> differing(const Line&, const Line&);
LARIAT_FOR_LINE(Steps)
LARIAT_FOR_LINE(Hits)
#undef LARIAT_FOR_LINE

Steps transposed(Steps steps, const std::set<int>& chosen, int semitones) {
    for (const std::size_t i : places(steps, chosen))
        if (steps[i].kind == Step::Kind::Note) steps[i].note = std::clamp(steps[i].note + semitones, 0, 127);
    return steps;
}

Steps movedInKey(Steps steps, const std::set<int>& chosen, const Key& key, int degrees) {
    for (const std::size_t i : places(steps, chosen))
        if (steps[i].kind == Step::Kind::Note) {
            const int moved = key.moved(steps[i].note, degrees);
            if (moved >= 0 && moved <= 127) steps[i].note = moved;
        }
    return steps;
}

Steps humanized(Steps steps, const std::set<int>& chosen, std::uint64_t seed) {
    Random random;
    random.state = seed;
    for (const std::size_t i : places(steps, chosen)) {
        const double louder = static_cast<double>(random.bipolar());
        const double longer = static_cast<double>(random.bipolar());
        Step& step = steps[i];
        if (step.kind != Step::Kind::Note) continue;
        step.velocity = std::clamp(step.velocity + static_cast<int>(std::lround(kVelocityWay * louder)), 1, 127);
        if (step.gate < 1.0)
            step.gate = std::clamp(std::round(100.0 * (step.gate + kGateWay * longer)) / 100.0, 0.05, 0.99);
    }
    return steps;
}

Pattern patternOf(const Patch& patch, const std::string& post) {
    if (const Pattern* written = patch.pattern(post)) return *written;
    Pattern pattern;
    pattern.post = post;
    return pattern;
}

namespace {

constexpr std::size_t kUsualLength = 16;

/// Calls `visit(tracks, lanes)` for every variation.
template <class Visit> void forEachVariation(Pattern& pattern, const Visit& visit) {
    visit(pattern.tracks, pattern.lanes);
    for (Variation& other : pattern.others) visit(other.tracks, other.lanes);
}

void writeUpTo(Pattern& pattern, int variation) {
    while (static_cast<int>(pattern.others.size()) < std::min(variation, kMaxVariations - 1))
        pattern.others.push_back({pattern.tracks, pattern.lanes});
}

auto& tracksAt(Pattern& pattern, int variation) {
    return variation <= 0 ? pattern.tracks : pattern.others[static_cast<std::size_t>(variation - 1)].tracks;
}
auto& lanesAt(Pattern& pattern, int variation) {
    return variation <= 0 ? pattern.lanes : pattern.others[static_cast<std::size_t>(variation - 1)].lanes;
}

} // namespace

Track& trackAt(Pattern& pattern, int variation, int index) {
    writeUpTo(pattern, variation);
    forEachVariation(pattern, [&](std::vector<Track>& tracks, std::vector<Lane>&) {
        while (static_cast<int>(tracks.size()) <= index)
            tracks.push_back({fmt::format("track {}", tracks.size() + 1), Steps(kUsualLength), {}, {}});
    });
    return tracksAt(pattern, std::min(variation, kMaxVariations - 1))[static_cast<std::size_t>(index)];
}

Lane& laneAt(Pattern& pattern, int variation, int index) {
    writeUpTo(pattern, variation);
    forEachVariation(pattern, [&](std::vector<Track>&, std::vector<Lane>& lanes) {
        while (static_cast<int>(lanes.size()) <= index)
            lanes.push_back({fmt::format("lane {}", lanes.size() + 1), Hits(kUsualLength, Hit::Rest), {}, {}});
    });
    return lanesAt(pattern, std::min(variation, kMaxVariations - 1))[static_cast<std::size_t>(index)];
}

std::string lineText(const Pattern& pattern, const LineRef& line, int variation) {
    const auto index = static_cast<std::size_t>(line.index);
    if (line.lane) {
        const auto& lanes = pattern.lanesOf(variation);
        return index < lanes.size() ? writeHits(lanes[index].hits) : std::string();
    }
    const auto& tracks = pattern.tracksOf(variation);
    return index < tracks.size() ? writeSteps(tracks[index].steps) : std::string();
}

std::string lineSentence(const Patch& patch, const Pattern& pattern, const LineRef& line, int variation) {
    const Post* post = patch.post(line.post);
    const Stride* stride = strideOf(pattern, line, variation);
    return fmt::format("{} {} {}{}{}: {}", post ? post->name : line.post, line.lane ? "lane" : "track", line.index + 1,
                       variation > 0 ? fmt::format(" {}", static_cast<char>('a' + variation)) : "",
                       stride ? strideWords(*stride) : "", lineText(pattern, line, variation));
}

Result<Pattern> withLine(Pattern pattern, const LineRef& line, int variation, std::string_view words) {
    if (line.lane) {
        auto hits = readHits(words);
        if (!hits) return tl::unexpected(hits.error());
        laneAt(pattern, variation, line.index).hits = std::move(*hits);
    } else {
        auto steps = readSteps(words);
        if (!steps) return tl::unexpected(steps.error());
        trackAt(pattern, variation, line.index).steps = std::move(*steps);
    }
    return pattern;
}

const Stride* strideOf(const Pattern& pattern, const LineRef& line, int variation) {
    const auto index = static_cast<std::size_t>(line.index);
    if (line.lane) {
        const auto& lanes = pattern.lanesOf(variation);
        return index < lanes.size() ? &lanes[index].stride : nullptr;
    }
    const auto& tracks = pattern.tracksOf(variation);
    return index < tracks.size() ? &tracks[index].stride : nullptr;
}

int stepsOf(const Pattern& pattern, const LineRef& line, int variation) {
    const auto index = static_cast<std::size_t>(line.index);
    if (line.lane) {
        const auto& lanes = pattern.lanesOf(variation);
        return index < lanes.size() ? static_cast<int>(lanes[index].hits.size()) : 0;
    }
    const auto& tracks = pattern.tracksOf(variation);
    return index < tracks.size() ? static_cast<int>(tracks[index].steps.size()) : 0;
}

int notesIn(const Pattern& pattern, const LineRef& line) {
    std::ptrdiff_t notes = 0;
    const auto index = static_cast<std::size_t>(line.index);
    for (int v = 0; v <= static_cast<int>(pattern.others.size()); ++v) {
        if (line.lane && index < pattern.lanesOf(v).size())
            notes += std::ranges::count_if(pattern.lanesOf(v)[index].hits, [](Hit hit) { return hit != Hit::Rest; });
        if (!line.lane && index < pattern.tracksOf(v).size())
            notes += std::ranges::count(pattern.tracksOf(v)[index].steps, Step::Kind::Note, &Step::kind);
    }
    return static_cast<int>(notes);
}

} // namespace lariat
