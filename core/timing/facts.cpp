#include "timing/facts.h"

#include "measure/measure.h"
#include "measure/pitch_track.h"
#include "units/key.h"
#include "units/pitch.h"

#include <algorithm>
#include <cmath>

namespace lariat {
namespace {

constexpr double kNoise = 100.0;   ///< per cent beyond which hits are of noise, or of other notes: not to be compared
constexpr std::size_t kFewest = 2; ///< hits that can be told apart
constexpr double kLongest = 2.0;   ///< seconds of a hit that are compared

std::set<int> stepsWhere(std::span<const Strike> strikes, const auto& which) {
    std::set<int> steps;
    for (const Strike& strike : strikes)
        if (strike.step >= 0 && which(strike)) steps.insert(strike.step);
    return steps;
}

/// Notes that came while the gate was still open, so that they have no strike of their own.
int slurred(const ContourResponse& contour, const Patch& patch) {
    const Pattern* pattern = contour.line && !contour.line->lane ? patch.pattern(contour.line->post) : nullptr;
    if (!pattern || contour.line->index >= static_cast<int>(pattern->tracks.size())) return 0;
    const auto& steps = pattern->tracks[static_cast<std::size_t>(contour.line->index)].steps;
    int count = 0;
    for (std::size_t i = 0; i < steps.size(); ++i) {
        const Step& now = steps[i];
        const Step& before = steps[(i + steps.size() - 1) % steps.size()];
        if (now.kind == Step::Kind::Note && before.kind != Step::Kind::Rest && before.gate >= 1.0 &&
            before.repeats == 1)
            ++count;
    }
    return count;
}

} // namespace

void addFacts(ContourResponse& contour, const Patch& patch, const Library& library) {
    const auto& strikes = contour.strikes;
    if (strikes.empty()) return;
    const std::size_t all = strikes.size();
    if (contour.sustains) {
        const auto missed = [](const Strike& strike) { return !strike.held; };
        const auto count = static_cast<std::size_t>(contour.notHeld());
        Fact fact{Fact::Kind::Sustain, {}, count > 0, stepsWhere(strikes, missed)};
        if (count == 0) {
            fact.text = say("sustain reached on all {} notes", all);
        } else {
            double most = 0.0;
            for (const Strike& strike : strikes) most = std::max(most, strike.held ? 0.0 : strike.missing);
            fact.text = say("sustain reached on {} of {} notes, {:.0f} ms short", all - count, all, 1e3 * most);
        }
        contour.facts.push_back(std::move(fact));
    }
    const auto cut = [](const Strike& strike) { return strike.cutOff(); };
    if (const int count = contour.cutOff(); count > 0) {
        double most = 0.0;
        for (const Strike& strike : strikes) most = std::max(most, strike.over);
        contour.facts.push_back(
            {Fact::Kind::Tail, say("the next note cuts off {} of {} tails, {:.0f} ms too long", count, all, 1e3 * most),
             !contour.followsGate, stepsWhere(strikes, cut)});
    } else {
        contour.facts.push_back({Fact::Kind::Tail, say("every tail ends before the next note"), false, {}});
    }
    if (const int count = slurred(contour, patch); count > 0)
        contour.facts.push_back(
            {Fact::Kind::Slurred,
             count == 1 ? say("one note slurred into the next") : say("{} notes slurred into the next", count),
             false,
             {}});
    const PartInfo& part = *library.part(*patch.post(contour.post));
    const JackInfo* stage = part.jackFor("contour", "sustain-gate");
    const bool used = stage && std::ranges::count(patch.cables, JackRef{contour.post, stage->id}, &Cable::from) > 0;
    if (used && contour.sustains && contour.notHeld() == static_cast<int>(all))
        contour.facts.push_back({Fact::Kind::StageGate, say("the sustain gate never fires: no note comes that far"),
                                 true, stepsWhere(strikes, [](const Strike&) { return true; })});
}

void addFacts(SoundResponse& sound, const ContourResponse& opener, std::span<const double> starts,
              std::span<const float> volts, double rate, const std::string& key) {
    const auto& strikes = opener.strikes;
    if (strikes.size() < kFewest || !opener.line || !opener.line->lane) return; // notes are meant to differ
    double shortest = kLongest;
    for (const Strike& strike : strikes) shortest = std::min(shortest, strike.next);
    const auto length = static_cast<std::size_t>(shortest * rate);
    std::vector<std::span<const float>> hits;
    for (const double start : starts) {
        const auto at = static_cast<std::size_t>(std::max(0.0, std::ceil(start * rate)));
        if (at + length <= volts.size()) hits.push_back(volts.subspan(at, length));
    }
    if (hits.size() < kFewest || length < 64) return;
    float peak = 0.0f;
    float difference = 0.0f;
    for (const auto& hit : hits)
        for (std::size_t i = 0; i < length; ++i) {
            peak = std::max(peak, std::abs(hit[i]));
            difference = std::max(difference, std::abs(hit[i] - hits.front()[i]));
        }
    if (peak < 0.05f) return;
    const double part = 100.0 * static_cast<double>(difference / peak);
    if (part < kNoise)
        sound.facts.push_back(
            {Fact::Kind::Hits,
             part < 10.0 ? say("hits differ by {:.2f} %", part) : say("hits differ by {:.0f} %", part),
             false,
             {}});
    const PitchSummary pitch = pitchOf(volts, rate);
    if (!pitch.steady || !pitch.tail) return;
    const std::string note = pitchText(*pitch.steady);
    const auto wanted = parseKey(key);
    const bool outside = wanted && !wanted->has(nearestNote(*pitch.steady).note);
    sound.facts.push_back({Fact::Kind::TailNote,
                           outside ? say("tail {}, outside the key {}", note, key) : say("tail {}", note),
                           outside,
                           {}});
}

} // namespace lariat
