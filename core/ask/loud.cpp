#include "ask/loud.h"

#include "ask/parts.h"
#include "flow/flow_map.h"
#include "measure/align.h"
#include "measure/loudness.h"
#include "measure/measure.h"
#include "model/edit.h"
#include "units/level.h"

#include <algorithm>
#include <cmath>
#include <deque>
#include <map>

namespace lariat {
namespace {

constexpr double kRails = 10.0;      ///< volts
constexpr double kBent = 10.8;       ///< volts: from there on what leaves a jack is bent
constexpr double kComfortable = 9.0; ///< that a mended stage comes to
constexpr double kSkipped = 0.3;     ///< seconds at the start, until everything has come to itself
constexpr double kGainWindow = 0.02; ///< seconds
constexpr double kHeard = 0.05;      ///< volts RMS that come in where a gain is read
constexpr double kShut = -60.0;      ///< dB
constexpr double kMoving = 1.0;      ///< dB
constexpr double kQuiet = 1e-5;      ///< volts RMS
constexpr double kOneSided = 0.3;    ///< DC against swing
constexpr std::size_t kMostParts = 8;

struct Place {
    int node = -1;
    int output = 0;
    auto operator<=>(const Place&) const = default;
};

/// Breadth first, from a place on, along what passes. The ways by which each place was come to.
std::map<Place, const Way*> spread(const FlowMap& map, Place from, std::optional<Place>& end) {
    std::map<Place, const Way*> came{{from, nullptr}};
    std::deque<Place> open{from};
    while (!open.empty()) {
        const Place at = open.front();
        open.pop_front();
        for (int n = 0; n < map.nodeCount(); ++n)
            for (const Way& way : map.ways(n)) {
                if (way.does != Does::Passes) continue;
                const Source feeds = map.feeding(way);
                if (feeds.node != at.node || feeds.output != at.output) continue;
                const Place next{way.node, way.output};
                if (!came.try_emplace(next, &way).second) continue;
                if (way.output == kOutOfTheCase) {
                    end = next;
                    return came;
                }
                open.push_back(next);
            }
    }
    return came;
}

/// The nearest head of what is heard: back from the way out along what passes, to what nothing comes to.
JackRef headOf(const FlowMap& map) {
    std::deque<Place> open;
    std::map<Place, bool> seen;
    for (int n = 0; n < map.nodeCount(); ++n)
        for (const Way& way : map.ways(n))
            if (way.output == kOutOfTheCase && way.does == Does::Passes && map.feeding(way).node >= 0)
                open.push_back({map.feeding(way).node, map.feeding(way).output});
    while (!open.empty()) {
        const Place at = open.front();
        open.pop_front();
        if (!seen.try_emplace(at, true).second) continue;
        bool head = true;
        for (const Way* way : map.into(at.node, at.output, Does::Passes))
            if (map.feeding(*way).node >= 0 && map.gain(*way) != 0.0) {
                head = false;
                open.push_back({map.feeding(*way).node, map.feeding(*way).output});
            }
        if (head && !map.outputJack(at.node, at.output).post.empty()) return map.outputJack(at.node, at.output);
    }
    return {};
}

struct Level {
    LevelReading all;
    double rms = 0.0;  ///< without DC
    double over = 0.0; ///< part of the time beyond the rails
};
Level levelOf(std::span<const float> volts) {
    Level out;
    out.all = measureLevel(volts);
    out.rms = out.all.alternating().value;
    const auto beyond = std::ranges::count_if(volts, [](float v) { return std::abs(v) > static_cast<float>(kRails); });
    out.over = volts.empty() ? 0.0 : static_cast<double>(beyond) / static_cast<double>(volts.size());
    return out;
}

/// One part of a sum.
struct Part {
    JackRef jack;
    const Way* way = nullptr;
    double gain = 1.0;
};

/// What comes together in an output, by jacks.
std::vector<Part> partsOf(const FlowMap& map, const Rung& rung) {
    std::vector<Part> out;
    for (const Way* way : map.into(rung.node, rung.output, Does::Passes)) {
        const Source from = map.feeding(*way);
        if (from.node < 0 || map.gain(*way) == 0.0) continue;
        const JackRef jack = map.outputJack(from.node, from.output);
        if (!jack.post.empty() && out.size() < kMostParts) out.push_back({jack, way, map.gain(*way)});
    }
    return out.size() < 2 ? std::vector<Part>{} : out;
}

/// The knobs on the way to a rung that would bring it down by a factor: the edit, and where the knob comes to stand.
std::optional<AskedOffer> turnDown(const FlowMap& map, const Way& way, double factor) {
    for (const int level : way.levels) {
        const auto knob = map.knobAt(way.node, level);
        if (!knob || !knob->scale) continue;
        const double now = map.control(way.node, level);
        const double wanted = knob->scale->unit == Unit::Decibels ? now + toDecibels(factor).value : now * factor;
        if (wanted <= knob->scale->min || wanted >= knob->scale->max) continue;
        const double own = knob->knob->scale.toValue(knob->scale->toFraction(wanted));
        return AskedOffer{say("Turn {} of {} to {} · {}", knob->knob->name, knob->post, knob->scale->text(wanted),
                              clockHand(knob->scale->toFraction(wanted))),
                          {SetKnob{knob->post, knob->knob->id, own}}};
    }
    return std::nullopt;
}

/// Which of the parts are to be turned over for the lowest peak of the sum; empty if turning none is best.
std::vector<std::size_t> turnedOver(const std::vector<std::span<const float>>& parts, const std::vector<double>& gains,
                                    double& peak, double& dc) {
    std::vector<std::size_t> best;
    const std::size_t n = std::min(parts.size(), kMostParts);
    if (n == 0) return best;
    double least = 1e9;
    for (std::size_t signs = 0; signs < (std::size_t{1} << (n - 1)); ++signs) {
        double top = 0.0;
        double sum = 0.0;
        const std::size_t size = parts[0].size();
        const std::size_t step = std::max<std::size_t>(1, size / 20000);
        std::size_t count = 0;
        for (std::size_t i = 0; i < size; i += step, ++count) {
            double v = 0.0;
            for (std::size_t p = 0; p < n; ++p)
                v += (p > 0 && (signs >> (p - 1) & 1u) ? -gains[p] : gains[p]) * static_cast<double>(parts[p][i]);
            top = std::max(top, std::abs(v));
            sum += v;
        }
        if (top < 0.999 * least) {
            least = top;
            peak = top;
            dc = sum / static_cast<double>(count);
            best.clear();
            for (std::size_t p = 1; p < n; ++p)
                if (signs >> (p - 1) & 1u) best.push_back(p);
        }
    }
    return best;
}

/// By how many dB a sum is louder for that part, without DC: what a send, a return or a voice adds. Nothing of a sum
/// that is silent without it.
std::optional<double> addedBy(std::size_t part, const std::vector<std::span<const float>>& parts,
                              const std::vector<double>& gains) {
    std::size_t size = parts.front().size();
    for (const auto& one : parts) size = std::min(size, one.size());
    std::vector<float> with(size);
    std::vector<float> without(size);
    for (std::size_t i = 0; i < size; ++i) {
        double sum = 0.0;
        for (std::size_t p = 0; p < parts.size(); ++p) sum += gains[p] * static_cast<double>(parts[p][i]);
        with[i] = static_cast<float>(sum);
        without[i] = static_cast<float>(sum - gains[part] * static_cast<double>(parts[part][i]));
    }
    const double rest = measureLevel(without).alternating().value;
    if (rest < kQuiet) return std::nullopt;
    return toDecibels(measureLevel(with).alternating().value / rest).value;
}

/// How far a stage's gain moves while something comes in, in dB from its tenth to its ninth part of the time: what an
/// envelope or a side-chain does. Nothing if hardly anything comes in.
std::optional<std::pair<double, double>> gainMoves(std::span<const float> in, std::span<const float> out, double rate) {
    const auto window = static_cast<std::size_t>(kGainWindow * rate);
    std::vector<double> gains;
    for (std::size_t at = 0; at + window <= std::min(in.size(), out.size()); at += window) {
        const double from = measureLevel(in.subspan(at, window)).alternating().value;
        if (from < kHeard) continue;
        const double to = measureLevel(out.subspan(at, window)).alternating().value;
        gains.push_back(std::max(kShut, toDecibels(to / from).value));
    }
    if (gains.size() < 20) return std::nullopt;
    std::ranges::sort(gains);
    return std::pair{gains[gains.size() / 10], gains[gains.size() - 1 - gains.size() / 10]};
}

std::string numbered(std::size_t n) {
    return fmt::format("{}", n + 1);
}

} // namespace

std::vector<Rung> ladderOf(const Patch& patch, const Library& library, JackRef source) {
    const FlowMap map(patch, library);
    if (source.post.empty()) source = headOf(map);
    const auto start = map.graph().outputs.find(source);
    if (start == map.graph().outputs.end()) return {};
    std::optional<Place> end;
    const auto came = spread(map, {start->second.node, start->second.output}, end);
    if (!end) return {};
    std::vector<Rung> out;
    Place at = *end;
    while (const Way* way = came.at(at)) {
        if (at.output != kOutOfTheCase) {
            const JackRef jack = map.outputJack(at.node, at.output);
            if (!jack.post.empty()) out.push_back({jack, at.node, at.output, map.gain(*way)});
        }
        const Source from = map.feeding(*way);
        at = {from.node, from.output};
    }
    out.push_back({source, start->second.node, start->second.output, 1.0});
    std::ranges::reverse(out);
    return out;
}

Result<Answer> askLoud(const Patch& patch, const Library& library, const LoudOptions& options) {
    if (!options.source.post.empty()) {
        const JackInfo* info = library.jack(patch, options.source);
        if (!info) return failure(say("there is no jack {} in this patch", options.source.text()));
        if (!info->output) return failure(say("{} is an input; the way begins at an output", options.source.text()));
    }
    const std::vector<Rung> ladder = ladderOf(patch, library, options.source);
    if (ladder.empty())
        return failure(options.source.post.empty()
                           ? say("nothing leads to a way out of the case; tie one to the line out first")
                           : say("{} does not lead to a way out of the case", options.source.text()));
    const FlowMap map(patch, library);
    const JackRef source = ladder.front().jack;

    std::vector<JackRef> jacks;
    const auto numberOf = [&](const JackRef& jack) {
        const auto it = std::ranges::find(jacks, jack);
        if (it != jacks.end()) return static_cast<std::size_t>(it - jacks.begin());
        jacks.push_back(jack);
        return jacks.size() - 1;
    };
    for (const Rung& rung : ladder) numberOf(rung.jack);
    std::vector<std::vector<Part>> sums;
    for (std::size_t r = 1; r < ladder.size(); ++r) {
        sums.push_back(partsOf(map, ladder[r]));
        for (const Part& part : sums.back()) numberOf(part.jack);
    }
    const std::size_t left = numberOf({});
    const std::size_t right = numberOf({"", "right"});
    ListenOptions how;
    how.seconds = options.seconds;
    how.realCase = options.realCase;
    if (options.progress) how.progress = [&](double done) { return options.progress(0.6 * done); };
    auto heard = listen(patch, library, jacks, how);
    if (!heard) return tl::unexpected(heard.error());

    // Once more, without what the source gives: what is left is what the stages and the other parts add.
    ListenOptions without = how;
    without.seconds = std::min(2.0, options.seconds);
    for (const Cable& cable : patch.cables)
        if (cable.from == source) without.silenced.push_back(cable.id);
    std::vector<Trace> quiet;
    if (!without.silenced.empty()) {
        if (options.progress) without.progress = [&](double done) { return options.progress(0.6 + 0.2 * done); };
        std::vector<JackRef> rungs;
        for (const Rung& rung : ladder) rungs.push_back(rung.jack);
        auto floor = listen(patch, library, rungs, without);
        if (!floor) return tl::unexpected(floor.error());
        quiet = std::move(*floor);
    }

    Answer answer;
    answer.question = Question::Loud;
    for (const Rung& rung : ladder)
        answer.tracks.push_back(fmt::format("{} {}", answer.tracks.size() + 1, trackName(patch, library, rung.jack)));
    const auto nameOf = [&](std::size_t rung) { return trackName(patch, library, ladder[rung].jack); };
    Plot plot;
    plot.id = "ladder";
    plot.title = say("Stage by stage, in dB of ±10 V");
    plot.y = {"dB", -100.0, 20.0, false};
    plot.marks.push_back({false, 0.0, say("the rails"), false});
    const auto decibels = [](double volts) { return std::max(-100.0, toDecibels(volts / kRails).value); };
    for (const auto& [name, number] :
         {std::pair{say("peak"), 0}, std::pair{say("RMS"), 1}, std::pair{say("floor, with the source muted"), 2}})
        plot.curves.push_back({name, number, SignalKind::Audio, {}, {}, false});
    std::vector<double> floors(ladder.size(), 0.0);
    double before = 0.0;
    double worst = 0.0;
    std::size_t worstRung = 0;
    std::size_t turned = 0;
    for (std::size_t r = 0; r < ladder.size(); ++r) {
        const auto volts = samplesFrom((*heard)[r], kSkipped);
        const Level level = levelOf(volts);
        const int number = static_cast<int>(r);
        const double peak = level.all.peak().value;
        const double headroom = peak > 0.0 ? toDecibels(kRails / peak).value : 144.0;
        addFigure(answer, "peak-volts", say("peak"), fmt::format("{:.2f} V", peak), peak, number, level.over > 0.0);
        addFigure(answer, "headroom-decibels", say("headroom"), decibelText(headroom), headroom, number,
                  headroom < 0.5);
        addFigure(answer, "rms-volts", say("RMS"), fmt::format("{:.3f} V", level.rms), level.rms, number);
        addFigure(answer, "dc-volts", say("DC"), voltsText(level.all.mean.value), level.all.mean.value, number,
                  std::abs(level.all.mean.value) > 1.5);
        if (level.rms > kQuiet) {
            const double crest = toDecibels(peak / level.rms).value;
            addFigure(answer, "crest-decibels", say("crest"), decibelText(crest), crest, number);
        }
        if (level.over > 0.0)
            addFigure(answer, "over-percent", say("beyond ±10 V"), percentText(100.0 * level.over), 100.0 * level.over,
                      number, peak > kBent);
        if (r > 0) {
            if (before > kQuiet && level.rms > kQuiet) {
                const double gain = toDecibels(level.rms / before).value;
                addFigure(answer, "gain-decibels", say("gain"), fmt::format("{:+.1f} dB", gain), gain, number);
            }
            // Of a sum, what its other parts do is no gain of its own.
            const auto moves =
                sums[r - 1].empty() ? gainMoves(samplesFrom((*heard)[r - 1], kSkipped), volts, how.rate) : std::nullopt;
            if (moves && moves->second - moves->first > kMoving)
                addFigure(answer, "moves-decibels", say("its gain moves"),
                          fmt::format("{}{:+.1f} … {:+.1f} dB", moves->first <= kShut ? "≤ " : "", moves->first,
                                      moves->second),
                          moves->second - moves->first, number);
            const auto part = [&](std::size_t n) {
                const auto all = samplesFrom((*heard)[n], kSkipped);
                return all.first(std::min(all.size(), std::size_t{1} << 17));
            };
            if (const auto likeness = correlate(part(0), part(r), how.rate, 0.001);
                likeness && std::abs(likeness->best) > 0.3) {
                if (likeness->best < 0.0) ++turned;
                addFigure(answer, "polarity", say("polarity"), likeness->best < 0.0 ? "−" : "+",
                          likeness->best < 0.0 ? -1.0 : 1.0, number);
            }
        }
        if (r < quiet.size()) {
            const double floor = levelOf(samplesFrom(quiet[r], kSkipped)).rms;
            if (r > 0)
                addFigure(answer, "floor-decibels", say("with the source muted"),
                          floor < 1e-7 ? std::string("–") : fmt::format("{:.1f} dBV", toDecibels(floor).value),
                          toDecibels(floor).value, number);
            floors[r] = floor;
        }
        plot.bars.push_back({numbered(r), decibels(peak), 0, peak > kBent, fmt::format("{:.1f} V", peak)});
        plot.bars.push_back({"", decibels(level.rms), 1, false, {}});
        plot.bars.push_back({"", r > 0 ? decibels(floors[r]) : -100.0, 2, false, {}});
        if (peak > worst) {
            worst = peak;
            worstRung = r;
        }
        before = level.rms;
    }
    answer.plots.push_back(std::move(plot));

    // Sums, opened into what comes together in them.
    for (std::size_t r = 1; r < ladder.size(); ++r) {
        const std::vector<Part>& parts = sums[r - 1];
        if (parts.empty()) continue;
        Plot sum;
        sum.id = "sum";
        sum.title = say("What comes together in {}", nameOf(r));
        sum.share = 0.7;
        double high = 1.0;
        double worstDc = 0.0;
        std::vector<std::span<const float>> volts;
        std::vector<double> gains;
        bool oneSided = false;
        for (const Part& part : parts) {
            const auto own = samplesFrom((*heard)[numberOf(part.jack)], kSkipped);
            const LevelReading level = measureLevel(own);
            const double peak = std::abs(part.gain) * level.peak().value;
            sum.bars.push_back({trackName(patch, library, part.jack), peak, static_cast<int>(sum.bars.size()), false,
                                fmt::format("{:.1f} V", peak)});
            high = std::max(high, peak);
            volts.push_back(own);
            gains.push_back(part.gain);
            if (std::abs(level.mean.value) > kOneSided * level.swing().value && level.swing().value > 1.0)
                oneSided = true;
            worstDc += part.gain * level.mean.value;
        }
        for (std::size_t p = 0; p < parts.size(); ++p)
            if (const auto added = addedBy(p, volts, gains))
                addFigure(answer, fmt::format("part-{}-adds-decibels", p + 1),
                          say("{} adds", trackName(patch, library, parts[p].jack)), fmt::format("{:+.1f} dB", *added),
                          *added, static_cast<int>(r));
        const Level whole = levelOf(samplesFrom((*heard)[r], kSkipped));
        sum.bars.push_back(
            {"=", whole.all.peak().value, -1, whole.over > 0.0, fmt::format("{:.1f} V", whole.all.peak().value)});
        sum.y = {"V", 0.0, 1.15 * std::max(high, whole.all.peak().value), false};
        answer.plots.push_back(std::move(sum));
        double peak = 0.0;
        double dc = 0.0;
        const auto over =
            oneSided && std::abs(worstDc) > 1.0 ? turnedOver(volts, gains, peak, dc) : std::vector<std::size_t>{};
        if (over.empty()) continue;
        std::string names;
        AskedOffer offer;
        for (const std::size_t p : over) {
            names += (names.empty() ? "" : ", ") + trackName(patch, library, parts[p].jack);
            for (const int level : parts[p].way->levels) {
                const auto knob = map.knobAt(parts[p].way->node, level);
                if (!knob || !knob->scale || knob->scale->min >= 0.0) continue;
                const double value = -map.control(parts[p].way->node, level);
                offer.edits.emplace_back(
                    SetKnob{knob->post, knob->knob->id, knob->knob->scale.toValue(knob->scale->toFraction(value))});
                break;
            }
        }
        answer.more = say("Turning over {} brings that sum to {:.1f} V with {} of DC.", names, peak, voltsText(dc));
        addFigure(answer, "turned-peak-volts", say("with {} turned over", names), fmt::format("{:.2f} V", peak), peak);
        if (offer.edits.size() == over.size()) {
            offer.label = say("Turn over {}", names);
            answer.offers.push_back(std::move(offer));
        }
    }

    // At the way out, in every unit that an interface is labelled in.
    const auto sides = {samplesFrom((*heard)[left], kSkipped), samplesFrom((*heard)[right], kSkipped)};
    Level out;
    for (const auto& side : sides)
        if (const Level one = levelOf(side); one.all.peak().value >= out.all.peak().value) out = one;
    const double outPeak = out.all.peak().value;
    addFigure(answer, "out-volts", say("way out, peak"), fmt::format("{:.2f} V", outPeak), outPeak, -1, out.over > 0.0);
    addFigure(answer, "out-dbfs", say("in dBFS"), fmt::format("{:.1f} dBFS", toDbfs({outPeak}).value),
              toDbfs({outPeak}).value);
    addFigure(answer, "out-dbu", say("in dBu, RMS"), fmt::format("{:+.1f} dBu", toDbu({out.rms}).value),
              toDbu({out.rms}).value);
    addFigure(answer, "out-dbv", say("in dBV, RMS"), fmt::format("{:+.1f} dBV", toDecibels(out.rms).value),
              toDecibels(out.rms).value);
    std::vector<float> mix;
    const std::vector<float>& l = (*heard)[left].volts;
    const std::vector<float>& r = (*heard)[right].volts;
    for (std::size_t i = 0; i < l.size(); ++i) {
        mix.push_back(l[i] / static_cast<float>(kFullScaleVolts));
        mix.push_back(r[i] / static_cast<float>(kFullScaleVolts));
    }
    if (const auto lufs = measureLoudness(mix, how.rate))
        addFigure(answer, "out-lufs", say("loudness"), fmt::format("{:.1f} LUFS", *lufs), *lufs);

    // The first stage that has no headroom left, with the knob that mends it; tried before it is offered.
    for (std::size_t rung = 1; rung < ladder.size(); ++rung) {
        const double peak = levelOf(samplesFrom((*heard)[rung], kSkipped)).all.peak().value;
        if (peak < 0.95 * kRails) continue;
        const auto ways = map.into(ladder[rung].node, ladder[rung].output, Does::Passes);
        for (const Way* way : ways) {
            if (map.feeding(*way).node < 0) continue;
            auto offer = turnDown(map, *way, kComfortable / peak);
            if (!offer) continue;
            auto changed = applyEdits(patch, offer->edits);
            if (!changed) continue;
            ListenOptions trial = how;
            trial.seconds = std::min(3.0, options.seconds);
            trial.progress = {};
            const auto after = listen(*changed, library, {ladder[rung].jack}, trial);
            if (!after) continue;
            const double now = levelOf(samplesFrom(after->front(), kSkipped)).all.peak().value;
            if (now > 0.98 * peak) continue;
            offer->label = inside(offer->label, say("peak {:.1f} V instead of {:.1f} V", now, peak));
            answer.offers.push_back(std::move(*offer));
            break;
        }
        break;
    }
    if (worst < 0.01)
        answer.verdict = say("Nothing sounds along the way: {} gives {}.", nameOf(0), voltsText(worst));
    else if (worst > kRails && worst <= kBent)
        answer.verdict = say("{} stands at the rails: {:.1f} V at its peak.", nameOf(worstRung), worst);
    else if (worst > kRails)
        answer.verdict = say("{} goes beyond ±10 V: {:.1f} V at its peak.", nameOf(worstRung), worst);
    else
        answer.verdict =
            say("Nothing clips: the hottest stage is {} with {:.1f} V, {:.1f} dB below the rails; {:.1f} dBFS "
                "leave the case.",
                nameOf(worstRung), worst, toDecibels(kRails / worst).value, toDbfs({outPeak}).value);
    if (answer.more.empty() && turned > 0) answer.more = say("{} of its stages turn the wave over.", turned);
    if (options.progress && !options.progress(1.0)) return failure(say("stopped"));
    return answer;
}

} // namespace lariat
