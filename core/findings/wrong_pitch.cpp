// Wrong pitch: from every sound that is heard to where its notes are made. On the way a tune may be scaled, turned
// over, shifted by what is no semitone, slurred until no note arrives; or it is tied nowhere at all.
//
// What arrives is compared with what was sent, note by note: at the end of each note that lasts 30 ms, y = s·x + c by
// least squares. s is the scale; c, less whole semitones, the shift. What still moves at the end of its notes glides.
#include "findings/fixes.h"
#include "findings/rules.h"
#include "findings/walk.h"
#include "timing/pattern_edits.h"

#include <algorithm>
#include <cmath>
#include <set>

namespace lariat {
namespace {

constexpr double kNoteSeconds = 0.03;
constexpr double kScaleCents = 3.0;
constexpr double kShiftCents = 5.0;
constexpr double kSlurredCents = 25.0;

/// A note as it was sent, and as it came.
struct Note {
    double sent = 0.0;
    double halfWay = 0.0; ///< what had arrived in the middle of it
    double came = 0.0;    ///< and at its end
};

std::vector<Note> notesOf(std::span<const float> sent, std::span<const float> came, double rate) {
    std::vector<Note> notes;
    const std::size_t n = std::min(sent.size(), came.size());
    const auto shortest = idx(std::lround(kNoteSeconds * rate));
    std::size_t start = 0;
    for (std::size_t i = 1; i <= n; ++i) {
        if (i < n && std::abs(sent[i] - sent[start]) < 1e-4f) continue;
        if (i - start >= shortest && i > 2)
            notes.push_back({static_cast<double>(sent[start]), static_cast<double>(came[(start + i) / 2]),
                             static_cast<double>(came[i - 2])});
        start = i;
    }
    return notes;
}

struct Line {
    double slope = 1.0;
    double shift = 0.0;
    double worst = 0.0; ///< volts off the line
};

/// Nothing if the notes do not move.
std::optional<Line> lineThrough(const std::vector<Note>& notes) {
    double sx = 0, sy = 0, sxx = 0, sxy = 0;
    for (const Note& note : notes) {
        sx += note.sent;
        sy += note.came;
        sxx += note.sent * note.sent;
        sxy += note.sent * note.came;
    }
    const auto n = static_cast<double>(notes.size());
    const double var = n > 1.0 ? sxx / n - sx * sx / (n * n) : 0.0;
    if (var < 1e-3) return std::nullopt;
    Line line;
    line.slope = (sxy / n - sx * sy / (n * n)) / var;
    line.shift = (sy - line.slope * sx) / n;
    for (const Note& note : notes)
        line.worst = std::max(line.worst, std::abs(note.came - line.slope * note.sent - line.shift));
    return line;
}

class Pitches {
  public:
    explicit Pitches(const Observation& observed) : w_(observed), o_(observed), map_(*observed.flow) {}

    Findings search() {
        for (const Way* way : w_.waysOut()) follow(map_.feeding(*way), nullptr);
        return std::move(found_);
    }

  private:
    /// Back along the sound; `opened` is the way nearest the source that an envelope opens.
    void follow(const Source& source, const Way* opened) {
        if (source.node < 0 || !w_.life(source).alive() || !seen_.insert({source.node, source.output}).second) return;
        const std::vector<const Way*> passing = w_.fed(source, Does::Passes);
        const std::vector<const Way*> tuned = w_.fed(source, Does::Tunes);
        for (const Way* way : tuned) judge(*way);
        const bool sounds = map_.into(source.node, source.output, Does::Passes).empty();
        if (sounds && tuned.empty() && opened) untuned(source, *opened);
        for (const Way* way : passing)
            follow(map_.feeding(*way), way->opener >= 0 && !w_.opening(*way).fed.empty() ? way : opened);
    }

    /// Where the notes are made that arrive there.
    struct Origin {
        Source source{};
        std::vector<const Way*> passed; ///< from the input back
    };
    [[nodiscard]] Origin originOf(const Way& tunes) const {
        Origin origin{map_.feeding(tunes), {}};
        std::set<int> been;
        while (origin.source.node >= 0 && been.insert(origin.source.node).second) {
            if (map_.makesTime(origin.source.node)) break;
            const Way* next = nullptr;
            for (const Way* way : w_.fed(origin.source, Does::Passes))
                if (!next || w_.kindOf(map_.feeding(*way)) == SignalKind::Pitch) next = way;
            if (!next) break;
            origin.passed.push_back(next);
            origin.source = map_.feeding(*next);
        }
        return origin;
    }
    void judge(const Way& tunes) {
        const Source arrives = map_.feeding(tunes);
        const Origin origin = originOf(tunes);
        if (w_.kindOf(origin.source) != SignalKind::Pitch) return;
        const JackRef input = map_.inputJack(tunes.node, tunes.input);
        if (input.post.empty() || !judged_.insert(input).second) return;
        if (missing(tunes, origin)) return;
        const std::vector<Note> notes = notesOf(w_.volts(origin.source), w_.volts(arrives), o_.rate());
        if (notes.size() < 2) return;
        if (glides(tunes, origin, notes)) return;
        const auto line = lineThrough(notes);
        if (!line || line->worst > 0.02) return; // it moves by something else as well: vibrato, another tune
        const double amount = tunes.hasAmount ? map_.gain(tunes) : 1.0;
        const double slope = line->slope * (amount > 0.5 && amount < 1.5 ? amount : 1.0);
        const std::string through = origin.passed.empty() ? w_.name(tunes.node) : w_.name(narrowest(origin).node);
        const int cable = arrives.cable;
        double turned = 1.0; // what the knobs on the way make of it
        bool alone = true;   // nothing is added to it on the way
        for (const Way* way : origin.passed) {
            turned *= map_.gain(*way);
            alone = alone && w_.fed({way->node, way->output, 0}, Does::Passes).size() == 1;
        }
        if (std::abs(1200.0 * (slope - 1.0)) >= kScaleCents && (alone || std::abs(turned - 1.0) > 0.002)) {
            Sentence reason =
                slope < 0.0
                    ? say("The tune passes {}, which turns it over: what goes up comes down.", through)
                    : say("The tune passes {}, whose level stands at {:.0f} %. Pitch has to arrive as it was sent.",
                          through, 100.0 * slope);
            std::vector<Fix> fixes;
            for (const Way* way : origin.passed)
                if (!way->levels.empty() && std::abs(map_.gain(*way) - 1.0) > 1e-3)
                    for (const int level : way->levels) append(fixes, w_.turn(way->node, level, 100.0));
            append(fixes, straight(tunes, origin));
            found_.push_back({"pitch-attenuated", Severity::Mistake, cable, input.post,
                              say("an octave arrives as {:.0f} cents", 1200.0 * slope), std::move(reason),
                              std::move(fixes), links(tunes, origin)});
            return;
        }
        const double semitones = 12.0 * line->shift;
        const double off = 100.0 * (semitones - std::round(semitones));
        if (std::abs(off) < kShiftCents || origin.passed.empty()) return;
        std::vector<Fix> fixes;
        for (const Way* way : origin.passed) append(fixes, w_.rest(way->node));
        append(fixes, straight(tunes, origin));
        found_.push_back(
            {"pitch-shifted", Severity::Mistake, cable, input.post, say("every note arrives {:+.0f} cents off", off),
             say("Something is added to the tune on its way through {}, and it is no whole semitone.", through),
             std::move(fixes), links(tunes, origin)});
    }

    /// The way of which the knobs change most.
    [[nodiscard]] const Way& narrowest(const Origin& origin) const {
        return **std::ranges::max_element(origin.passed, {},
                                          [&](const Way* way) { return std::abs(map_.gain(*way) - 1.0); });
    }

    bool glides(const Way& tunes, const Origin& origin, const std::vector<Note>& notes) {
        int late = 0;
        int moved = 0;
        double worst = 0.0;
        const Way* slow = slowest(origin);
        const bool hardly = slow && hardlyMoves(notes);
        const double shift = shiftOf(notes);
        for (std::size_t i = 1; i < notes.size(); ++i) {
            const double step = notes[i].sent - notes[i - 1].sent;
            if (std::abs(step) < 0.04) continue;
            ++moved;
            const double left = notes[i].sent - notes[i].came - shift;
            const double moving = notes[i].came - notes[i].halfWay;
            const bool onItsWay = (std::abs(moving) > 0.002 && moving * left > 0.0) || hardly;
            if (!onItsWay || 1200.0 * std::abs(left) < kSlurredCents) continue;
            ++late;
            worst = std::max(worst, 1200.0 * std::abs(left));
        }
        if (moved < 2 || 3 * late < moved || origin.passed.empty()) return false;
        if (!slow) slow = origin.passed.front();
        std::vector<Fix> fixes = quicker(slow->node);
        for (const Way* way : origin.passed) append(fixes, w_.rest(way->node));
        for (const Way* way : origin.passed)
            if (way != slow) append(fixes, quicker(way->node));
        append(fixes, straight(tunes, origin));
        found_.push_back(
            {"glide-too-slow", Severity::Mistake, map_.feeding(tunes).cable,
             map_.inputJack(tunes.node, tunes.input).post,
             say("{} of {} notes end {:.0f} cents short or more", late, moved, std::min(worst, 9999.0)),
             say("The tune glides through {} more slowly than its notes follow one another.", w_.name(slow->node)),
             std::move(fixes), links(tunes, origin)});
        return true;
    }
    /// What is added to all of them alike, in volts: it is no glide. 0 where they are off by this and that.
    static double shiftOf(const std::vector<Note>& notes) {
        std::vector<double> off;
        for (const Note& note : notes) off.push_back(note.sent - note.came);
        const auto middle = [](std::vector<double>& of) {
            std::ranges::nth_element(of, of.begin() + std::ssize(of) / 2);
            return of[of.size() / 2];
        };
        const double shift = middle(off);
        for (double& one : off) one = std::abs(one - shift);
        return std::abs(shift) > 2.0 * middle(off) ? shift : 0.0;
    }
    /// Of what the tune passes, that which may take longest; nullptr if nothing takes time.
    [[nodiscard]] const Way* slowest(const Origin& origin) const {
        const Way* slow = nullptr;
        double longest = kNoteSeconds;
        for (const Way* way : origin.passed) {
            const auto& controls = map_.node(way->node).type->controls;
            for (std::size_t c = 0; c < controls.size(); ++c)
                if (const double time = map_.control(way->node, static_cast<int>(c));
                    controls[c].scale.unit == Unit::Seconds && time > longest) {
                    longest = time;
                    slow = way;
                }
        }
        return slow;
    }
    /// So slow that what arrives stands almost still.
    static bool hardlyMoves(const std::vector<Note>& notes) {
        const auto [low, high] = std::ranges::minmax_element(notes, {}, &Note::sent);
        const auto [least, most] = std::ranges::minmax_element(notes, {}, &Note::came);
        return most->came - least->came < 0.3 * (high->sent - low->sent);
    }
    [[nodiscard]] std::vector<Fix> quicker(int node) const {
        std::vector<Fix> fixes;
        Fix all;
        std::string knobs; // rise and fall are turned together
        const auto& controls = map_.node(node).type->controls;
        for (std::size_t c = 0; c < controls.size(); ++c)
            if (controls[c].scale.unit == Unit::Seconds)
                for (Fix& fix : w_.turn(node, static_cast<int>(c), 0.01)) {
                    const auto knob = map_.knobAt(node, static_cast<int>(c));
                    knobs += (knobs.empty() ? "" : ", ") + knob->knob->name;
                    all.label = say("Turn {} of {} to {}", knobs, o_.nameOf(knob->post), knob->scale->text(0.01));
                    all.edits.insert(all.edits.end(), fix.edits.begin(), fix.edits.end());
                }
        if (!all.edits.empty()) fixes.push_back(std::move(all));
        return fixes;
    }

    /// The tune comes from a track in which nothing is written, though the one beside it plays.
    bool missing(const Way& tunes, const Origin& origin) {
        const JackRef jack = map_.outputJack(origin.source.node, origin.source.output);
        const auto line = lineAt(o_.patch, *o_.library, jack);
        const Pattern* pattern = line ? o_.patch.pattern(line->post) : nullptr;
        if (!line || !pattern || line->lane || w_.life(origin.source).alive()) return false;
        if (notesIn(*pattern, *line) > 0) return false;
        std::vector<Fix> fixes;
        const int cable = origin.source.cable != 0 ? origin.source.cable : map_.feeding(tunes).cable;
        if (const auto sequencer = sequencerOf(o_.patch, *o_.library, line->post))
            for (const SequencerLine& other : sequencer->lines) {
                if (other.at.lane || notesIn(*pattern, other.at) == 0) continue;
                for (const std::string& id : other.jacks)
                    if (const Cable* tied = o_.patch.cable(cable);
                        tied && o_.jack({line->post, id})->kind == SignalKind::Pitch)
                        fixes.push_back(moveFix(o_, *tied, {line->post, id}, tied->to));
            }
        found_.push_back({"no-tune", Severity::Mistake, cable, map_.inputJack(tunes.node, tunes.input).post,
                          say("the pitch stays at {:.2f} V", w_.life(origin.source).mean),
                          say("{} plays one note: nothing is written in track {} of {}, where its pitch comes from.",
                              w_.name(tunes.node), line->index + 1, o_.nameOf(line->post)),
                          std::move(fixes), links(tunes, origin)});
        return true;
    }

    /// A sound that gates of a tune open, while the tune itself reaches no sound behind them.
    void untuned(const Source& source, const Way& opened) {
        std::vector<const Way*> tunes = map_.into(source.node, source.output, Does::Tunes);
        std::erase_if(tunes, [&](const Way* way) { return map_.inputJack(way->node, way->input).post.empty(); });
        if (tunes.empty()) return;
        for (const Way* opens : w_.opening(opened).fed) {
            const auto line = lineThatStrikes(map_.feeding(*opens));
            if (!line || line->lane) continue;
            const Pattern* pattern = o_.patch.pattern(line->post);
            if (!pattern || !moves(*pattern, *line)) continue;
            const auto sequencer = sequencerOf(o_.patch, *o_.library, line->post);
            const auto own = std::ranges::find(sequencer->lines, *line, &SequencerLine::at);
            JackRef pitch;
            for (const std::string& id : own->jacks)
                if (o_.jack({line->post, id})->kind == SignalKind::Pitch) pitch = {line->post, id};
            if (pitch.post.empty() || tunesSound(pitch)) continue;
            const JackRef input = map_.inputJack(tunes.front()->node, tunes.front()->input);
            const auto elsewhere = std::ranges::find(o_.patch.cables, pitch, &Cable::from);
            std::vector<Fix> fixes;
            if (elsewhere != o_.patch.cables.end()) fixes.push_back(moveFix(o_, *elsewhere, pitch, input));
            fixes.push_back(tieFix(o_, pitch, input));
            found_.push_back({"no-tune",
                              Severity::Mistake,
                              elsewhere != o_.patch.cables.end() ? elsewhere->id : 0,
                              input.post,
                              say("0 of the notes of track {} are heard", line->index + 1),
                              say("{} plays one note: it is opened by track {} of {}, but nothing brings it that tune.",
                                  w_.name(source.node), line->index + 1, o_.nameOf(line->post)),
                              std::move(fixes),
                              {w_.link(source)}});
            return;
        }
    }
    /// The tune reaches the pitch of something that sounds.
    [[nodiscard]] bool tunesSound(const JackRef& pitch) const {
        for (int n = 0; n < map_.nodeCount(); ++n)
            for (const Way& way : map_.ways(n))
                if (way.does == Does::Tunes && map_.feeding(way).node >= 0) {
                    // A quantizer between makes the notes anew; what it is fed with counts as well.
                    Source at = originOf(way).source;
                    for (int guard = 0; guard < 8 && at.node >= 0; ++guard) {
                        if (map_.outputJack(at.node, at.output) == pitch) return true;
                        const auto passing = w_.fed(at, Does::Passes);
                        if (passing.empty()) break;
                        at = map_.feeding(*passing.front());
                    }
                }
        return false;
    }
    [[nodiscard]] static bool moves(const Pattern& pattern, const LineRef& line) {
        std::set<int> notes;
        if (idx(line.index) < pattern.tracks.size())
            for (const Step& step : pattern.tracks[idx(line.index)].steps)
                if (step.kind == Step::Kind::Note) notes.insert(step.note);
        return notes.size() > 1;
    }
    [[nodiscard]] std::optional<LineRef> lineThatStrikes(Source source) const {
        for (int guard = 0; guard < 16 && source.node >= 0; ++guard) {
            if (auto line = lineAt(o_.patch, *o_.library, map_.outputJack(source.node, source.output))) return line;
            auto ways = w_.fed(source, Does::Strikes);
            if (ways.empty()) ways = w_.fed(source, Does::Passes);
            if (ways.empty()) break;
            source = map_.feeding(*ways.front());
        }
        return std::nullopt;
    }

    [[nodiscard]] std::vector<Fix> straight(const Way& tunes, const Origin& origin) const {
        const Cable* cable = o_.patch.cable(map_.feeding(tunes).cable);
        const JackRef from = map_.outputJack(origin.source.node, origin.source.output);
        if (!cable || from.post.empty() || from == cable->from) return {};
        return {moveFix(o_, *cable, from, cable->to)};
    }
    [[nodiscard]] std::vector<Link> links(const Way& tunes, const Origin& origin) const {
        std::vector<Link> out = {w_.link(map_.feeding(tunes))};
        for (const Way* way : origin.passed) out.push_back(w_.link(map_.feeding(*way)));
        return out;
    }

    const Walk w_;
    const Observation& o_;
    const FlowMap& map_;
    std::set<std::pair<int, int>> seen_;
    std::set<JackRef> judged_;
    Findings found_;
};

} // namespace

Findings findWrongPitch(const Observation& o) {
    return Pitches(o).search();
}

} // namespace lariat
