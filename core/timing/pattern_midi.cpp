#include "timing/pattern_midi.h"

#include <algorithm>
#include <cmath>

namespace lariat {
namespace {

constexpr int kBar = 16;
constexpr int kAccentFrom = 113;
constexpr int kAccentVelocity = 120;
constexpr double kShortest = 0.05; ///< open part of a step

struct Note {
    double start = 0.0; ///< in steps
    double length = 0.5;
    int note = 60;
    int velocity = 100;
};

std::vector<Note> notesOf(const Performance& performance, const StepsFromMidi& how) {
    std::vector<Note> notes;
    for (const PlayedMessage& played : performance.messages) {
        const MidiMessage& m = played.message;
        if (how.channel && m.channel() != *how.channel) continue;
        if (m.data1 < how.lowest || m.data1 > how.highest || (how.note && m.data1 != *how.note)) continue;
        const double at = played.beat * how.stepsPerBeat;
        if (m.kind() == 0x90 && m.data2 > 0) {
            notes.push_back({at, -1.0, m.data1, m.data2});
        } else if (m.kind() == 0x80 || m.kind() == 0x90) {
            const auto open = std::find_if(notes.rbegin(), notes.rend(),
                                           [&](const Note& n) { return n.note == m.data1 && n.length < 0.0; });
            if (open != notes.rend()) open->length = at - open->start;
        }
    }
    for (Note& note : notes)
        if (note.length < 0.0) note.length = 0.5; // never let go
    return notes;
}

/// The step that a time belongs to, and how late in it.
std::pair<int, double> placeOf(double at, int quantize) {
    double nearest = std::round(at);
    double off = (at - nearest) * (1.0 - 0.01 * quantize);
    if (off < 0.0 && nearest > 0.0 && 1.0 + off <= kLatest) {
        nearest -= 1.0;
        off += 1.0;
    }
    return {static_cast<int>(nearest), std::clamp(std::round(100.0 * std::max(0.0, off)) / 100.0, 0.0, kLatest)};
}

std::size_t lengthFor(int last) {
    return std::min<std::size_t>(kMaxSteps, static_cast<std::size_t>((last / kBar + 1) * kBar));
}

MidiMessage message(int status, int channel, int note, int velocity) {
    return {static_cast<std::uint8_t>(status | channel), static_cast<std::uint8_t>(note),
            static_cast<std::uint8_t>(velocity)};
}

void sortByTime(Performance& out) {
    std::ranges::stable_sort(out.messages, {}, &PlayedMessage::beat);
}

} // namespace

Steps stepsFrom(const Performance& performance, const StepsFromMidi& how, int* left) {
    const auto notes = notesOf(performance, how);
    int last = 0;
    int lost = 0;
    for (const Note& note : notes)
        if (const int at = placeOf(note.start, how.quantize).first; at < static_cast<int>(kMaxSteps))
            last = std::max(last, at);
    Steps steps(lengthFor(last));
    for (std::size_t n = 0; n < notes.size(); ++n) {
        const Note& note = notes[n];
        const auto [at, late] = placeOf(note.start, how.quantize);
        if (at >= static_cast<int>(steps.size())) {
            ++lost;
            continue;
        }
        Step& step = steps[static_cast<std::size_t>(at)];
        lost += step.kind == Step::Kind::Note ? 1 : 0;
        step = Step{.kind = Step::Kind::Note};
        step.note = note.note;
        step.velocity = std::clamp(note.velocity, 1, 127);
        step.late = late;
        // It lasts until the next one begins, at most.
        const int next =
            n + 1 < notes.size() ? placeOf(notes[n + 1].start, how.quantize).first : static_cast<int>(steps.size());
        const double length = std::max(kShortest, note.length);
        const int whole = std::min({static_cast<int>(std::floor(late + length - 1e-6)), next - at - 1,
                                    static_cast<int>(steps.size()) - 1 - at});
        const double rest = late + length - whole;
        const double gate = std::clamp(std::round(100.0 * (whole > 0 ? rest : length)) / 100.0, kShortest, 1.0);
        step.gate = gate;
        for (int t = 1; t <= whole; ++t) {
            Step& tied = steps[static_cast<std::size_t>(at + t)];
            tied = Step{.kind = Step::Kind::Tie};
            tied.note = note.note;
            tied.gate = 1.0;
        }
    }
    if (left) *left = lost;
    return steps;
}

Hits hitsFrom(const Performance& performance, const StepsFromMidi& how, int* left) {
    const auto notes = notesOf(performance, how);
    int last = 0;
    int lost = 0;
    for (const Note& note : notes)
        if (const int at = static_cast<int>(std::lround(note.start)); at < static_cast<int>(kMaxSteps))
            last = std::max(last, at);
    Hits hits(lengthFor(last), Hit::Rest);
    for (const Note& note : notes) {
        const auto at = static_cast<std::size_t>(std::lround(note.start));
        if (at >= hits.size()) {
            ++lost;
            continue;
        }
        hits[at] = note.velocity >= kAccentFrom ? Hit::Accent : Hit::Hit;
    }
    if (left) *left = lost;
    return hits;
}

Performance performanceOf(const Track& track, double tempo, int channel, double stepsPerBeat) {
    Performance out;
    out.tempo = tempo;
    const double length = track.stride.pulses() / stepsPerBeat; // beats of a step
    out.lengthBeats = length * static_cast<double>(track.steps.size());
    for (std::size_t i = 0; i < track.steps.size(); ++i) {
        const Step& step = track.steps[i];
        if (step.kind != Step::Kind::Note) continue;
        const double swing = !track.stride.triplets && i % 2 == 1 ? 2.0 * track.stride.swing - 1.0 : 0.0;
        const double begin = (static_cast<double>(i) + swing + step.late) * length;
        std::size_t ties = 0;
        while (i + ties + 1 < track.steps.size() && track.steps[i + ties + 1].kind == Step::Kind::Tie) ++ties;
        const double whole =
            ties > 0 ? static_cast<double>(ties) + step.gate - step.late : std::min(step.gate, 1.0 - step.late);
        const int strikes = ties > 0 ? 1 : step.repeats;
        for (int strike = 0; strike < strikes; ++strike) {
            const double at = begin + strike * length * (1.0 - step.late) / strikes;
            out.messages.push_back(
                {at, message(0x90, channel, step.note,
                             step.accent ? std::max(step.velocity, kAccentVelocity) : step.velocity)});
            out.messages.push_back({at + length * whole / strikes, message(0x80, channel, step.note, 0)});
        }
    }
    sortByTime(out);
    return out;
}

Performance performanceOf(const Lane& lane, int note, double tempo, int channel, double stepsPerBeat) {
    Performance out;
    out.tempo = tempo;
    const double length = lane.stride.pulses() / stepsPerBeat;
    out.lengthBeats = length * static_cast<double>(lane.hits.size());
    for (std::size_t i = 0; i < lane.hits.size(); ++i) {
        if (lane.hits[i] == Hit::Rest) continue;
        const double swing = !lane.stride.triplets && i % 2 == 1 ? 2.0 * lane.stride.swing - 1.0 : 0.0;
        const double at = (static_cast<double>(i) + swing) * length;
        out.messages.push_back({at, message(0x90, channel, note, lane.hits[i] == Hit::Accent ? kAccentVelocity : 100)});
        out.messages.push_back({at + 0.5 * length, message(0x80, channel, note, 0)});
    }
    sortByTime(out);
    return out;
}

} // namespace lariat
