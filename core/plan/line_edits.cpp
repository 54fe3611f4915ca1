#include "plan/line_edits.h"

#include "model/pattern_text.h"
#include "timing/pattern_edits.h"

#include <algorithm>
#include <cmath>

namespace lariat {
namespace {

constexpr double kShort = 0.2; ///< of a step: the gate of a hit on a track

Result<int> semitones(const std::string& expression, const Values& values) {
    if (expression.empty()) return 0;
    return evaluate(expression, values).map([](double by) { return static_cast<int>(std::lround(by)); });
}

bool namesNote(const MidiMessage& message) {
    return message.kind() == 0x80 || message.kind() == 0x90 || message.kind() == 0xA0;
}

} // namespace

Result<LineSteps> stepsOfLine(const RecipeLine& line, const Values& values) {
    LineSteps out;
    out.isHits = line.steps.find_first_not_of("xX.- ") == std::string::npos;
    if (out.isHits) {
        auto read = readHits(line.steps);
        if (!read) return tl::unexpected(read.error());
        out.hits = std::move(*read);
        return out;
    }
    auto read = readSteps(line.steps);
    if (!read) return tl::unexpected(read.error());
    auto by = semitones(line.transpose, values);
    if (!by) return tl::unexpected(by.error());
    out.steps = transposed(std::move(*read), {}, *by);
    return out;
}

Pattern withRecipeLine(Pattern pattern, bool lane, int index, const RecipeLine& line, const LineSteps& what,
                       const std::string& name) {
    std::vector<Step> steps = what.steps;
    for (const Hit hit : lane ? std::vector<Hit>() : what.hits) {
        Step step;
        step.kind = hit == Hit::Rest ? Step::Kind::Rest : Step::Kind::Note;
        step.accent = hit == Hit::Accent;
        step.gate = kShort;
        steps.push_back(step);
    }
    // A voice that is new in a variation plays in those behind it as well, until a line of its own says otherwise.
    const int last = std::max(line.variation, static_cast<int>(pattern.others.size()));
    for (int variation = line.variation; variation <= last; ++variation) {
        if (lane) {
            Lane& one = laneAt(pattern, variation, index);
            one.hits = what.hits;
            one.stride = line.stride;
            one.name = name;
        } else {
            Track& one = trackAt(pattern, variation, index);
            one.steps = steps;
            one.stride = line.stride;
            one.name = name;
        }
    }
    return pattern;
}

Performance withPressed(Performance there, const std::vector<Step>& steps, int division, double tempo) {
    there.tempo = tempo;
    const double beats = 0.25 * division;
    there.lengthBeats = std::max(there.lengthBeats, beats * static_cast<double>(steps.size()));
    for (std::size_t i = 0; i < steps.size(); ++i) {
        if (steps[i].kind != Step::Kind::Note) continue;
        std::size_t last = i;
        while (last + 1 < steps.size() && steps[last + 1].kind == Step::Kind::Tie) ++last;
        const double end = static_cast<double>(last) + (last > i ? 1.0 : steps[i].gate);
        const auto note = static_cast<std::uint8_t>(std::clamp(steps[i].note, 0, 127));
        const auto velocity = static_cast<std::uint8_t>(steps[i].velocity);
        there.messages.push_back({beats * static_cast<double>(i), {0x90, note, velocity}});
        there.messages.push_back({beats * end - 0.01, {0x80, note, 0}});
    }
    std::ranges::stable_sort(there.messages, {}, &PlayedMessage::beat);
    return there;
}

Result<Performance> withPlayed(Performance there, const Recipe& recipe, const RecipePlayed& played,
                               const Values& values) {
    auto by = semitones(played.transpose, values);
    if (!by) return tl::unexpected(by.error());
    there.tempo = recipe.wish("tempo") ? values.at("tempo") : played.performance.tempo;
    there.lengthBeats = std::max(there.lengthBeats, played.performance.lengthBeats);
    for (PlayedMessage one : played.performance.messages) {
        if (namesNote(one.message))
            one.message.data1 = static_cast<std::uint8_t>(std::clamp(one.message.data1 + *by, 0, 127));
        there.messages.push_back(one);
    }
    std::ranges::stable_sort(there.messages, {}, &PlayedMessage::beat);
    return there;
}

} // namespace lariat
