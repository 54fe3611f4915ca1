// Which note is it? Pitch against time with cents, against the key and a tuning; who sets it; vibrato and glides.
#include "ask/parts.h"
#include "measure/hits.h"
#include "measure/partials.h"
#include "measure/pitch_line.h"
#include "measure/pitch_track.h"
#include "measure/repeats.h"
#include "units/pitch.h"

#include <algorithm>
#include <cmath>
#include <limits>

namespace lariat {
namespace {

constexpr double kSilent = 0.002;       ///< volts RMS
constexpr double kThere = 0.003;        ///< of the strongest harmonic
constexpr double kNearlyAll = 0.75;     ///< of the harmonics
constexpr double kOneNote = 40.0;       ///< cents
constexpr std::size_t kEnoughHits = 12; ///< of a drum, to know its tail

/// A pitch that was held.
struct Held {
    double from = 0.0;
    double to = 0.0;
    double hertz = 0.0;
};

std::vector<Held> heldNotes(const std::vector<PitchPoint>& line) {
    std::vector<Held> out;
    std::vector<double> octaves;
    double begin = 0.0;
    double last = 0.0;
    const auto end = [&] {
        if (octaves.size() >= 3) {
            std::ranges::sort(octaves);
            out.push_back({begin, last, std::exp2(octaves[octaves.size() / 2])});
        }
        octaves.clear();
    };
    for (const PitchPoint& point : line) {
        if (!point.clear()) {
            end();
            continue;
        }
        const double octave = std::log2(point.hertz);
        if (!octaves.empty() && 1200.0 * std::abs(octave - octaves.back()) > kOneNote) end();
        if (octaves.empty()) begin = point.at;
        octaves.push_back(octave);
        last = point.at;
    }
    end();
    return out;
}

double noteNumber(double hertz) {
    return 69.0 + 12.0 * std::log2(hertz / 440.0);
}

/// Where it stands in the tuning, in cents against the nearest of its notes.
double offTuning(const Tuning& tuning, int root, double hertz) {
    const double cents = 100.0 * (noteNumber(hertz) - static_cast<double>(60 + root));
    return cents - nearestNote(tuning, cents);
}

/// A chord of just intervals repeats itself as a whole, far below what is heard. One tone has a share at its pitch, or,
/// as a voice in a formant, all of its harmonics up to the strongest and beyond.
bool isOneTone(std::span<const float> volts, double rate, const Partials& partials) {
    if (measureTone(volts, rate)) return true;
    if (partials.amplitude.size() < 4) return true;
    const auto strongest = std::ranges::max_element(partials.amplitude);
    const auto number = static_cast<std::size_t>(strongest - partials.amplitude.begin()) + 1;
    const std::size_t most = std::min(partials.amplitude.size(), number + 4);
    const auto there = std::ranges::count_if(std::span(partials.amplitude).first(most),
                                             [&](double one) { return one > kThere * *strongest; });
    return static_cast<double>(there) >= kNearlyAll * static_cast<double>(most);
}

/// In the key, or which note of it is nearest.
Sentence inKey(double hertz, const Key& key) {
    const int note = nearestNote(Hertz{hertz}).note;
    if (key.has(note)) return say("It is a note of the key.");
    const int near = key.nearest(note);
    return say("It is no note of the key; {} is the nearest, {:.0f} cents away.", noteName(near),
               std::abs(100.0 * (noteNumber(hertz) - near)));
}

Plot pitchPlot(const std::vector<PitchPoint>& line, const std::optional<Key>& key, double from, int track) {
    Plot plot;
    plot.id = "pitch";
    plot.title = say("Pitch against time");
    double low = 1e9;
    double high = 0.0;
    PlotCurve curve{{}, track, SignalKind::Pitch, {}, {}, false};
    double last = 0.0;
    for (const PitchPoint& point : line) {
        last = point.at;
        if (point.clear()) {
            low = std::min(low, point.hertz);
            high = std::max(high, point.hertz);
        }
        curve.points.emplace_back(static_cast<float>(from + point.at), point.clear()
                                                                           ? static_cast<float>(point.hertz)
                                                                           : std::numeric_limits<float>::quiet_NaN());
    }
    if (high <= 0.0) {
        low = 100.0;
        high = 200.0;
    }
    // Two semitones to either side, and a fourth at least, so that cents do not look like leaps.
    const double around = std::max(std::exp2(2.0 / 12.0), std::exp2(4.0 / 12.0) / std::sqrt(high / low));
    plot.x = {"s", from, from + std::max(last, 0.1), false};
    plot.y = {"Hz", low / around, high * around, true};
    plot.curves.push_back(std::move(curve));
    const int first = static_cast<int>(std::ceil(noteNumber(plot.y.low)));
    const int end = static_cast<int>(std::floor(noteNumber(plot.y.high)));
    for (int note = first; note <= end; ++note)
        if (!key || key->has(note))
            if (end - first <= 14 || (note - first) % 12 == 0 || (key && note % 12 == key->root))
                plot.marks.push_back({false, noteToHertz(note).value, plain(noteName(note)), false});
    return plot;
}

void addNote(Answer& answer, double hertz, const AskOptions& options, Sentence name) {
    const NearestNote near = nearestNote(Hertz{hertz});
    addFigure(answer, "pitch-hertz", std::move(name), hertzText(hertz), hertz);
    addFigure(answer, "cents", say("nearest note"),
              fmt::format("{} {}", noteName(near.note), centsText(near.off.value)), near.off.value);
    addFigure(answer, "pitch-volts", say("as a pitch voltage"), fmt::format("{:+.3f} V", toVolts({hertz}).value),
              toVolts({hertz}).value);
    if (options.key) {
        const int to = options.key->nearest(near.note);
        const double cents = 100.0 * (noteNumber(hertz) - to);
        addFigure(answer, "key-cents", say("against the key"), fmt::format("{} {}", noteName(to), centsText(cents)),
                  cents, -1, std::abs(cents) > 50.0);
    }
    if (options.tuning) {
        const double cents = offTuning(*options.tuning, options.key ? options.key->root : 0, hertz);
        addFigure(answer, "tuning-cents", say("against the tuning"), centsText(cents), cents);
    }
}

} // namespace

Answer askNote(const Asked& asked) {
    Answer answer;
    answer.question = Question::Note;
    const Trace& own = asked.tracks.front();
    for (const Trace& track : asked.tracks) answer.tracks.push_back(track.name);
    const auto volts = samplesFrom(own, asked.options.from);
    const LevelReading level = measureLevel(volts);
    const double sounding = level.alternating().value;
    const auto end = [&](Sentence verdict) {
        answer.verdict = std::move(verdict);
        addFigure(answer, "rms-volts", say("level"), fmt::format("{:.3f} V RMS", sounding), sounding);
        return answer;
    };
    if (sounding < kSilent) {
        if (own.kind == SignalKind::Pitch || own.kind == SignalKind::Control) {
            // A pitch voltage is a note too, though it is no sound.
            const double hertz = toHertz(level.mean).value;
            if (hertz > 1.0 && hertz < 30000.0) {
                addNote(answer, hertz, asked.options, say("frequency"));
                answer.verdict =
                    say("{} stands at {:+.3f} V, which plays {}.", own.name, level.mean.value, pitchText({hertz}));
                if (asked.options.key) answer.more = inKey(hertz, *asked.options.key);
                return answer;
            }
        }
        return end(say("{} is silent: there is no note to be heard.", own.name));
    }
    if (own.seconds() < 0.03)
        return end(say("{} is too short to have a pitch: {}.", own.name, timeText(own.seconds())));

    const Trace* leader = nullptr;
    for (const Trace& track : asked.tracks)
        if (track.leads) leader = &track;
    const Trace& heard = leader ? *leader : own;
    const auto read = samplesFrom(heard, asked.options.from);
    const auto line = pitchLine(read, heard.rate, {}, asked.progress);
    answer.plots.push_back(pitchPlot(line, asked.options.key, asked.options.from, leader ? 1 : 0));

    const PitchSummary summary = pitchOf(read, heard.rate);
    const std::vector<Held> notes = heldNotes(line);
    const auto vibrato = vibratoOf(line);
    const auto addPlay = [&] {
        if (vibrato) {
            addFigure(answer, "vibrato-hertz", say("vibrato"), hertzText(vibrato->hertz), vibrato->hertz);
            addFigure(answer, "vibrato-cents", say("its depth, to either side"), centsText(vibrato->cents).substr(1),
                      vibrato->cents);
        }
        const auto glides = glidesOf(line);
        if (!glides.empty()) {
            double sum = 0.0;
            for (const Glide& glide : glides) sum += glide.seconds;
            const double mean = sum / static_cast<double>(glides.size());
            addFigure(answer, "glides", say("glides"), fmt::format("{}", glides.size()),
                      static_cast<double>(glides.size()));
            addFigure(answer, "glide-seconds", say("a glide takes"), timeText(mean), mean);
        }
    };
    // A drum is struck and comes to rest: the sine of its tail, hit by hit.
    if (!leader) {
        auto begins = onsets(read, heard.rate);
        if (begins.size() > kEnoughHits + 1) begins.resize(kEnoughHits + 1);
        const auto hits = measureHits(read, heard.rate, begins);
        std::vector<double> tails;
        for (const HitReading& hit : hits)
            if (hit.tail && hit.t20) tails.push_back(*hit.tail);
        if (!tails.empty() && 2 * tails.size() >= hits.size() && (!summary.steady || summary.tail)) {
            std::ranges::sort(tails);
            const double tail = tails[tails.size() / 2];
            double highest = tail;
            for (const PitchPoint& point : line)
                if (point.clear()) highest = std::max(highest, point.hertz);
            addNote(answer, tail, asked.options, say("tail"));
            addFigure(answer, "hits", say("hits read"), fmt::format("{}", tails.size()),
                      static_cast<double>(tails.size()));
            if (highest > 1.06 * tail) addFigure(answer, "from-hertz", say("falls from"), hertzText(highest), highest);
            if (hits.front().click)
                addFigure(answer, "click-seconds", say("click, above 200 Hz"), timeText(*hits.front().click),
                          *hits.front().click);
            answer.verdict = say("The hits come to rest at {}.", noteText(tail));
            answer.more = asked.options.key ? inKey(tail, *asked.options.key) : Sentence{};
            return answer;
        }
    }
    if (summary.steady && !summary.tail) {
        // Over the whole of it, for the cents.
        double hertz = summary.steady->value;
        const auto part = read.first(std::min(read.size(), static_cast<std::size_t>(2.0 * heard.rate)));
        if (!vibrato)
            if (const auto exact = measurePitch(part, heard.rate, {1e-3});
                exact && exact->clarity > kSteadyClarity && std::abs(std::log2(exact->hertz.value / hertz)) < 0.02)
                hertz = exact->hertz.value;
        const Spectrum spectrum = measureSpectrum(part, heard.rate);
        const Partials partials = measurePartials(spectrum, hertz);
        if (!leader && !vibrato && !isOneTone(part, heard.rate, partials)) {
            std::string lines;
            for (const auto& partial : spectrum.strongest(4))
                lines += (lines.empty() ? "" : ", ") + noteText(partial.hertz);
            return end(say("{} is no single tone; most of it lies at {}.", own.name, lines));
        }
        addNote(answer, hertz, asked.options, say("frequency"));
        addPlay();
        if (leader)
            answer.verdict =
                say("{} sounds {}: that is what {} restarts it at.", own.name, noteText(hertz), leader->name);
        else
            answer.verdict = vibrato ? say("{} sounds {}, swaying {:.0f} cents to either side {:.1f} times a second.",
                                           own.name, noteText(hertz), vibrato->cents, vibrato->hertz)
                                     : say("{} sounds {}.", own.name, noteText(hertz));
        if (asked.options.key) answer.more = inKey(hertz, *asked.options.key);
        if (!leader && partials.amplitude.size() > 3 && partials.amplitude[0] > 0.0) {
            const double rest = std::hypot(partials.even, partials.odd) / (partials.amplitude[0] / std::sqrt(2.0));
            if (rest < 0.03)
                addFigure(answer, "overtones-percent", say("overtones, nearly a sine"), percentText(100.0 * rest),
                          100.0 * rest);
        }
        return answer;
    }
    if (!notes.empty()) {
        double low = 1e9;
        double high = 0.0;
        double worst = 0.0;
        int outside = 0;
        std::string names;
        for (const Held& note : notes) {
            low = std::min(low, note.hertz);
            high = std::max(high, note.hertz);
            const NearestNote near = nearestNote(Hertz{note.hertz});
            if (std::abs(near.off.value) > std::abs(worst)) worst = near.off.value;
            if (asked.options.key && !asked.options.key->has(near.note)) ++outside;
            if (names.size() < 60) names += (names.empty() ? "" : " ") + noteName(near.note);
        }
        addFigure(answer, "notes", say("notes held"), fmt::format("{}", notes.size()),
                  static_cast<double>(notes.size()));
        addFigure(answer, "order", say("in their order"), names);
        addFigure(answer, "lowest-hertz", say("lowest"), noteText(low), low);
        addFigure(answer, "highest-hertz", say("highest"), noteText(high), high);
        addFigure(answer, "worst-cents", say("farthest off a note"), centsText(worst), worst, -1,
                  std::abs(worst) > 10.0);
        if (asked.options.key)
            addFigure(answer, "outside", say("outside the key"), fmt::format("{}", outside),
                      static_cast<double>(outside), -1, outside > 0);
        if (asked.options.tuning) {
            double most = 0.0;
            for (const Held& note : notes) {
                const double off =
                    offTuning(*asked.options.tuning, asked.options.key ? asked.options.key->root : 0, note.hertz);
                if (std::abs(off) > std::abs(most)) most = off;
            }
            addFigure(answer, "tuning-cents", say("farthest off the tuning"), centsText(most), most);
        }
        addPlay();
        if (leader)
            answer.verdict =
                say("{} plays {} notes from {} to {}: {} sets them.", own.name, notes.size(),
                    noteName(nearestNote(Hertz{low}).note), noteName(nearestNote(Hertz{high}).note), leader->name);
        else
            answer.verdict =
                say("{} plays {} notes from {} to {}, at most {:.0f} cents off.", own.name, notes.size(),
                    noteName(nearestNote(Hertz{low}).note), noteName(nearestNote(Hertz{high}).note), std::abs(worst));
        if (asked.options.key)
            answer.more = outside == 0 ? say("All of them are notes of the key.")
                                       : say("{} of them are no notes of the key.", outside);
        return answer;
    }
    if (const auto repeat = repeatOf(volts, own.rate)) {
        addFigure(answer, "comb-hertz", say("repeats itself at"), hertzText(1.0 / repeat->seconds),
                  1.0 / repeat->seconds);
        addFigure(answer, "comb-seconds", say("after"), timeText(repeat->seconds), repeat->seconds);
        addFigure(answer, "comb-percent", say("alike by"), percentText(100.0 * repeat->alike), 100.0 * repeat->alike);
        return end(say("{} has no steady pitch, but rings at {}: it repeats itself after {}, as behind an echo.",
                       own.name, noteText(1.0 / repeat->seconds), timeText(repeat->seconds)));
    }
    return end(say("{} has no pitch that could be named: it never repeats itself.", own.name));
}

} // namespace lariat
