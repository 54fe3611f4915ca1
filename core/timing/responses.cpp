#include "timing/responses.h"

#include "blocks/parts/gate.h"
#include "engine/envelope_shape.h"
#include "engine/side_by_side.h"
#include "model/edit.h"
#include "timing/facts.h"
#include "timing/pattern_edits.h"

#include <algorithm>
#include <array>
#include <atomic>
#include <cmath>
#include <functional>
#include <numeric>

namespace lariat {
namespace {

constexpr double kRate = 48000.0; ///< of the silent run
constexpr long kLead = 16;        ///< pulses before the cycle, so that the run has settled
constexpr double kMostSeconds = 120.0;
constexpr double kPatience = 10.0; ///< seconds without a pulse
constexpr float kHeldPart = 0.01f; ///< of the peak; a sustain below it is none
constexpr std::size_t kMostSounds = 8;
constexpr int kPart = 16; ///< samples of which a picture keeps lowest and highest
constexpr int kHold = 2;  ///< the stage, as a contour tells it

enum ContourTells { StageTold, LevelTold, StrikesTold, HeldTold, EndedTold, MissedTold, LeftTold };

/// How a part answers to a contour: it opens a level, it filters, or it is nothing that one looks behind.
enum class Opens { Nothing, Filter, Level };
Opens opens(const PartInfo& part) {
    const auto has = [&](std::initializer_list<const char*> types) {
        return std::ranges::any_of(types, [&](const char* type) { return part.has(type); });
    };
    if (has({"vca", "vca-bank", "low-pass-gate", "stereo-mixer"})) return Opens::Level;
    return has({"svf", "ladder", "resonator-bank", "sample-player", "metal-cluster"}) ? Opens::Filter : Opens::Nothing;
}

/// The output that sounds, of the block (and the channel of it) that the input belongs to.
std::optional<JackRef> soundBehind(const PartInfo& part, const JackRef& input) {
    const JackInfo* in = part.jack(input.jack);
    const auto channel = [](const std::string& id) {
        const auto at = id.find_first_of("123456789");
        return at == std::string::npos ? std::string() : id.substr(at);
    };
    const JackInfo* best = nullptr;
    for (const JackInfo& jack : part.jacks) {
        if (!in || !jack.output || jack.kind != SignalKind::Audio) continue;
        if (jack.at.block == in->at.block && channel(jack.id) == channel(in->id)) return JackRef{input.post, jack.id};
        if (!best) best = &jack;
    }
    return best ? std::optional(JackRef{input.post, best->id}) : std::nullopt;
}

/// The sound that an output opens: behind the first VCA that it leads to, else behind the first filter.
std::optional<std::pair<JackRef, Opens>> soundOf(const Patch& patch, const Library& library, const JackRef& output) {
    std::optional<JackRef> filtered;
    std::vector<std::string> seen;
    std::vector<JackRef> open = {output};
    for (std::size_t next = 0; next < open.size(); ++next)
        for (const Cable& cable : patch.cables) {
            if (cable.from != open[next]) continue;
            const PartInfo& part = *library.part(*patch.post(cable.to.post));
            const Opens how = opens(part);
            if (how == Opens::Level)
                if (auto sound = soundBehind(part, cable.to)) return std::pair(*sound, how);
            if (how == Opens::Filter && !filtered) filtered = soundBehind(part, cable.to);
            if (how == Opens::Filter || std::ranges::find(seen, cable.to.post) != seen.end()) continue;
            seen.push_back(cable.to.post);
            for (const JackInfo& jack : part.jacks)
                if (jack.output && jack.kind != SignalKind::Audio) open.push_back({cable.to.post, jack.id});
        }
    if (!filtered) return std::nullopt;
    return std::pair(*filtered, Opens::Filter);
}

struct WatchedContour {
    ContourResponse response;
    std::size_t gateProbe = 0;
    std::size_t outProbe = 0;
    int teller = -1;
    GateReader gates{};
    Told before{};
    float last = 0.0f; ///< volts at the end of the run before
};

struct WatchedSound {
    SoundResponse response;
    std::vector<float> volts{};
};

struct WatchedTune {
    TuneResponse response;
    std::size_t inProbe = 0;
    std::size_t outProbe = 0;
    TunedNote now{}; ///< the step that is played; seconds of the run stand for its pulses until the end
};

/// One silent run: what it watches, and what it has seen.
class ResponseRun {
  public:
    ResponseRun(const Patch& patch, const Library& library, Sequencer sequencer, const ResponseOptions& options)
        : patch_(patch), library_(library), sequencer_(std::move(sequencer)), options_(options) {}

    Result<Responses> operator()() {
        const JackRef clock{sequencer_.post, sequencer_.clock};
        if (sequencer_.clock.empty() || feederOf(patch_, library_, clock).post.empty())
            return failure(say("nothing steps {}; tie a clock to its clock input", patch_.post(sequencer_.post)->name));
        if (auto turned = turnKnobs(); !turned) return tl::unexpected(turned.error());
        chooseContours();
        for (const TunePath& path : tunePathsOf(patch_, library_, sequencer_))
            tunes_.push_back({{path, {}, {}}, probe(path.in), probe(path.out)});
        if (options_.sounds) chooseSounds();
        const int variation = options_.variation.value_or(variationOf(patch_, library_, sequencer_));
        out_.sequencer = sequencer_.post;
        out_.cycle = std::max(1L, cycleOf(patch_, library_, sequencer_, variation));
        out_.shown = std::min(out_.cycle, options_.mostPulses);
        lead_ = out_.cycle > out_.shown ? 0 : std::min(out_.cycle, kLead);
        if (auto heard = hear(); !heard) return tl::unexpected(heard.error());
        if (pulses_.size() < 2) return failure(say("no clock pulse comes to {}", patch_.post(sequencer_.post)->name));
        gather();
        return std::move(out_);
    }

  private:
    Result<void> turnKnobs() {
        std::vector<Edit> edits;
        if (options_.tempo) {
            const TempoHome home = tempoHome(patch_, library_);
            if (!home.knob) return failure(say("there is no clock with a tempo in this patch"));
            edits.push_back(SetKnob{home.post->id, home.knob->id, *options_.tempo});
        }
        if (options_.variation && !sequencer_.variationKnob.empty())
            edits.push_back(SetKnob{sequencer_.post, sequencer_.variationKnob, 1.0 * *options_.variation});
        for (const Edit& edit : edits) { // a locked knob is no hindrance to a question
            const SetKnob& turn = std::get<SetKnob>(edit);
            std::ranges::find(patch_.posts, turn.post, &Post::id)->knobs[turn.knob] = turn.value;
        }
        return {};
    }

    std::size_t probe(const JackRef& jack) {
        probes_.push_back(jack);
        return probes_.size() - 1;
    }

    void chooseContours() {
        for (const Post& post : patch_.posts) {
            const PartInfo& part = *library_.part(post);
            const JackInfo* gate = part.jackFor("contour", "gate");
            const JackInfo* out = nullptr;
            for (const char* name : {"out", "bipolar", "inverted"})
                if (!out) out = part.jackFor("contour", name);
            if (!gate || !out) continue;
            const auto line = lineBehind(patch_, library_, {post.id, gate->id});
            if (!line || line->post != sequencer_.post) continue;
            WatchedContour watched;
            ContourResponse& response = watched.response;
            response.post = post.id;
            response.gate = {post.id, gate->id};
            response.out = {post.id, out->id};
            response.line = line;
            if (const auto shape = envelopeShape(post, part, std::nullopt)) {
                response.sustain = static_cast<float>(shape->sustain);
                response.followsGate = shape->followsGate;
                response.releases = shape->releases;
                response.sustains = shape->decays && shape->followsGate && response.sustain > 8.0f * kHeldPart;
            }
            watched.gateProbe = probe(response.gate);
            watched.outProbe = probe(response.out);
            contours_.push_back(std::move(watched));
        }
    }

    void addSound(const JackRef& output, const std::string& contour, const std::optional<LineRef>& line) {
        const auto known = [&](const WatchedSound& sound) { return sound.response.output == output; };
        if (sounds_.size() >= kMostSounds || std::ranges::any_of(sounds_, known)) return;
        WatchedSound watched;
        watched.response.output = output;
        watched.response.contour = contour;
        watched.response.line = line;
        const JackInfo* jack = library_.jack(patch_, output);
        watched.response.audio = jack && jack->kind == SignalKind::Audio;
        sounds_.push_back(std::move(watched));
    }

    void chooseSounds() {
        // What is only filtered sounds all the time; it is looked at where nothing behind a VCA is there to be seen.
        for (const Opens wanted : {Opens::Level, Opens::Filter})
            for (const WatchedContour& contour : contours_)
                for (const JackInfo& jack : library_.part(*patch_.post(contour.response.post))->jacks) {
                    if (!jack.output || jack.kind != SignalKind::Control) continue;
                    const auto sound = soundOf(patch_, library_, {contour.response.post, jack.id});
                    const auto sameLine = [&](const WatchedSound& one) {
                        return one.response.line == contour.response.line;
                    };
                    if (!sound || sound->second != wanted) continue;
                    if (wanted == Opens::Filter && std::ranges::any_of(sounds_, sameLine)) continue;
                    addSound(sound->first, contour.response.post, contour.response.line);
                }
        for (const SequencerLine& line : sequencer_.lines) {
            const auto opened = [&](const WatchedContour& contour) { return contour.response.line == line.at; };
            if (line.gate.empty() || std::ranges::any_of(contours_, opened)) continue;
            if (const auto sound = soundOf(patch_, library_, {sequencer_.post, line.gate}))
                addSound(sound->first, {}, line.at);
        }
        for (const JackRef& jack : options_.pinned) {
            const JackInfo* info = library_.jack(patch_, jack);
            if (!info || (!info->output && feederOf(patch_, library_, jack).post.empty())) continue;
            addSound(jack, {}, std::nullopt);
        }
    }

    [[nodiscard]] unsigned threads() const { return options_.threads == 0 ? processors() : options_.threads; }

    /// The cycle, as contours and quantizers go through it; and beside it the cycle once more for each sound, with only
    /// what reaches that. They do not know of each other, and the clock comes to all of them alike.
    Result<void> hear() {
        Result<void> looked;
        std::vector<std::size_t> order(sounds_.size()); // what takes long begins first
        std::iota(order.begin(), order.end(), std::size_t{0});
        const auto work = [&](std::size_t s) {
            return onlyWhatReaches(patch_, library_, {sounds_[s].response.output}).cables.size();
        };
        std::ranges::stable_sort(order, std::greater{}, work);
        sideBySide(order.size() + 1, threads(), [&](std::size_t i) {
            if (i < order.size())
                hear(sounds_[order[i]]);
            else
                looked = look();
        });
        return looked;
    }

    /// Runs until the cycle is over, or until so long nothing came that no more will come. Of several runs the clock is
    /// the last probe, and each sees the same of it.
    Result<void> run(std::vector<JackRef> probes, const std::function<void(const RunView&, const Schedule&)>& each,
                     std::vector<double>& pulses) {
        probes.push_back({sequencer_.post, sequencer_.clock});
        auto renderer = Renderer::make(onlyWhatReaches(patch_, library_, probes), library_, {kRate, false, {}, probes});
        if (!renderer) return tl::unexpected(renderer.error());
        const long wanted = lead_ + out_.shown + 1;
        GateReader clock;
        std::size_t runs = 0;
        renderer->run(kMostSeconds, [&](const RunView& view) {
            const double start = static_cast<double>(runs) * kRun;
            if (runs++ % 512 == 0 && options_.progress) {
                const double done = static_cast<double>(pulses.size()) / static_cast<double>(wanted);
                if (!options_.progress(std::min(1.0, done))) cancelled_ = true;
            }
            if (cancelled_) return false;
            FoundEdges edges;
            clock.read(*view.probes.back(), 0, kRun, edges);
            for (const Edge& edge : edges.all())
                if (edge.rising) pulses.push_back((start + static_cast<double>(edge.at)) / kRate);
            each(view, renderer->schedule());
            const double last = pulses.empty() ? 0.0 : pulses.back();
            return static_cast<long>(pulses.size()) < wanted && start / kRate - last < kPatience;
        });
        if (cancelled_) return failure(say("the run was cancelled"));
        return {};
    }

    void hear(WatchedSound& sound) {
        std::vector<double> pulses;
        const auto keep = [&](const RunView& view, const Schedule&) {
            const auto& volts = view.probes.front()->volts;
            sound.volts.insert(sound.volts.end(), volts.begin(), volts.end());
        };
        (void)run({sound.response.output}, keep, pulses); // what ends it ends the run of the contours too
    }

    Result<void> look() {
        int steps = -1;
        Told told{};
        const auto each = [&](const RunView& view, const Schedule& schedule) {
            if (runs_++ == 0) {
                steps = schedule.tellerOf(sequencer_.post);
                for (WatchedContour& contour : contours_) contour.teller = schedule.tellerOf(contour.response.post);
            }
            if (steps >= 0) schedule.tell(steps, told);
            for (WatchedContour& contour : contours_) look(contour, view, schedule, told);
            for (WatchedTune& tune : tunes_) look(tune, view, told);
            for (WatchedContour& contour : contours_) {
                const auto& volts = view.probes[contour.outProbe]->volts;
                for (int part = 0; part < kRun / kPart; ++part)
                    contour.response.picture.push_back(rangeOf(volts.data() + part * kPart));
            }
        };
        return run(probes_, each, pulses_);
    }

    void look(WatchedContour& contour, const RunView& view, const Schedule& schedule, const Told& told) {
        const double start = static_cast<double>(runs_ - 1) * kRun;
        const Signal& gate = *view.probes[contour.gateProbe];
        const Signal& out = *view.probes[contour.outProbe];
        Told now{};
        if (contour.teller >= 0) schedule.tell(contour.teller, now);
        FoundEdges edges;
        contour.gates.read(gate, 0, kRun, edges);
        auto& strikes = contour.response.strikes;
        const bool came = now[HeldTold] > contour.before[HeldTold];
        const bool struck = std::ranges::any_of(edges.all(), &Edge::rising);
        // Within one run, what came to its hold before the next strike and what after is told by where it is now.
        if (came && !strikes.empty() && !(struck && now[StageTold] == kHold)) strikes.back().held = true;
        for (const Edge& edge : edges.all()) {
            const double at = (start + static_cast<double>(edge.at)) / kRate;
            if (edge.rising) {
                if (!strikes.empty()) {
                    strikes.back().next = at - strikes.back().at;
                    strikes.back().over = 1e-6 * now[LeftTold];
                    const int before = static_cast<int>(std::floor(edge.at)) - 1; // in this run, or the one before
                    strikes.back().atNext = before >= 0 ? out[before] : contour.last;
                }
                Strike strike;
                strike.at = at;
                strike.step = stepOf(contour.response.line, told);
                strike.held = came && now[StageTold] == kHold;
                strikes.push_back(strike);
            } else if (!strikes.empty()) {
                Strike& strike = strikes.back();
                strike.open = at - strike.at;
                strike.atClose = out[std::clamp(static_cast<int>(std::floor(edge.at)), 0, kRun - 1)];
                strike.missing = strike.held ? 0.0 : 1e-6 * now[MissedTold];
            }
        }
        contour.before = now;
        contour.last = out[kRun - 1];
    }

    /// A note is what leaves the quantizer when its step ends: till then it may be clocked late or glide.
    void look(WatchedTune& tune, const RunView& view, const Told& told) {
        const int step = stepOf(tune.response.path.line, told);
        if (step != tune.now.step) {
            const double at = static_cast<double>(runs_ * kRun) / kRate; // its pulse came within this run
            tune.now.until = at;
            if (tune.now.step >= 0) tune.response.notes.push_back(tune.now);
            tune.now = {step, at, at, 0.0f, 0.0f};
        }
        tune.now.wanted = (*view.probes[tune.inProbe])[kRun - 1];
        tune.now.given = (*view.probes[tune.outProbe])[kRun - 1];
    }

    /// What a step of a line is; every step of a line of faders is a note.
    [[nodiscard]] Step::Kind kindOf(const LineRef& line, int step) const {
        const Pattern* pattern = sequencer_.plays ? patch_.pattern(line.post) : nullptr;
        if (!pattern) return Step::Kind::Note;
        const auto& tracks = pattern->tracksOf(options_.variation.value_or(variationOf(patch_, library_, sequencer_)));
        const auto track = static_cast<std::size_t>(line.index);
        const auto at = static_cast<std::size_t>(step);
        return track < tracks.size() && at < tracks[track].steps.size() ? tracks[track].steps[at].kind
                                                                        : Step::Kind::Rest;
    }

    void gather(WatchedTune& tune) {
        TuneResponse& response = tune.response;
        std::vector<TunedNote> notes;
        for (TunedNote note : response.notes) {
            const Step::Kind kind = kindOf(response.path.line, note.step);
            const double end = pulseAt(note.until);
            note.pulse = pulseAt(note.pulse);
            note.until = end;
            if (kind == Step::Kind::Tie && !notes.empty()) notes.back().until = end; // the note before it goes on
            if (kind == Step::Kind::Note) notes.push_back(note);
        }
        std::erase_if(notes, [&](const TunedNote& note) { return !counts(note.pulse); });
        for (TunedNote& note : notes) {
            const double length = note.until - note.pulse;
            note.pulse = inCycle(note.pulse);
            note.until = note.pulse + length;
        }
        std::ranges::sort(notes, {}, &TunedNote::pulse);
        response.notes = std::move(notes);
        std::set<int> moved;
        Sentence text = movedText(response.notes, moved);
        if (!response.notes.empty()) response.facts.push_back({Fact::Kind::Tuned, std::move(text), false, moved});
        std::set<int> merged;
        if (Sentence one = mergedText(response.notes, merged); !one.empty())
            response.facts.push_back({Fact::Kind::Tuned, std::move(one), false, merged}); // often it is meant
        out_.tunes.push_back(std::move(response));
    }

    [[nodiscard]] int stepOf(const std::optional<LineRef>& line, const Told& told) const {
        if (!line) return -1;
        return told[toldAt(sequencer_, *line)];
    }

    /// Seconds of the run as clock pulses since its start; beyond the last pulse the clock is taken to go on.
    [[nodiscard]] double pulseAt(double seconds) const {
        const auto after = std::ranges::upper_bound(pulses_, seconds);
        if (after == pulses_.begin()) return (seconds - pulses_.front()) / out_.pulseSeconds;
        const auto before = after - 1;
        const double length = after == pulses_.end() ? out_.pulseSeconds : *after - *before;
        return static_cast<double>(before - pulses_.begin()) + (seconds - *before) / length;
    }

    void gather() {
        const auto count = static_cast<long>(pulses_.size()) - 1;
        out_.pulseSeconds = (pulses_.back() - pulses_.front()) / static_cast<double>(count);
        if (count < lead_ + out_.shown) { // it stopped, or is too slow to be waited for
            lead_ = 0;
            out_.shown = count;
        }
        for (WatchedContour& contour : contours_) {
            ContourResponse& response = contour.response;
            response.picture = columns([&](std::size_t part) { return response.picture[part]; });
            place(response.strikes);
            out_.contours.push_back(std::move(response));
        }
        for (WatchedTune& tune : tunes_) gather(tune);
        for (ContourResponse& contour : out_.contours) addFacts(contour, patch_, library_);
        sideBySide(sounds_.size(), threads(), [&](std::size_t s) { gather(sounds_[s]); });
        for (WatchedSound& sound : sounds_) out_.sounds.push_back(std::move(sound.response));
    }

    void gather(WatchedSound& sound) {
        SoundResponse& response = sound.response;
        sound.volts.resize(runs_ * kRun); // as long as the run that the pulses are of
        response.picture = columns([&](std::size_t part) { return rangeOf(sound.volts.data() + part * kPart); });
        for (const MinMax& column : response.picture) {
            response.low = std::min(response.low, column.min);
            response.high = std::max(response.high, column.max);
        }
        const auto opener = std::ranges::find(out_.contours, response.contour, &ContourResponse::post);
        if (response.audio && opener != out_.contours.end())
            addFacts(response, *opener, startsOf(*opener), sound.volts, kRate, patch_.key);
    }

    /// Seconds of the run at which strikes of the cycle came.
    std::vector<double> startsOf(const ContourResponse& contour) const {
        std::vector<double> out;
        for (const Strike& strike : contour.strikes)
            out.push_back(strike.at + pulses_[static_cast<std::size_t>(lead_)]);
        return out;
    }

    /// Where a pulse of the run stands in the cycle: what comes behind its end stands where it began.
    [[nodiscard]] double inCycle(double pulse) const {
        const auto whole = static_cast<double>(out_.shown);
        return pulse >= whole && lead_ > 0 ? pulse - whole : pulse;
    }
    [[nodiscard]] bool counts(double pulse) const {
        return pulse > static_cast<double>(lead_) - 1e-6 && pulse < static_cast<double>(lead_ + out_.shown) - 1e-6;
    }

    void place(std::vector<Strike>& strikes) const {
        for (Strike& strike : strikes) {
            strike.pulse = pulseAt(strike.at);
            strike.openTo = pulseAt(strike.at + strike.open);
        }
        std::erase_if(strikes, [&](const Strike& strike) { return !counts(strike.pulse) || strike.open <= 0.0; });
        for (Strike& strike : strikes) {
            const double length = strike.openTo - strike.pulse;
            strike.pulse = std::max(0.0, inCycle(strike.pulse));
            strike.openTo = strike.pulse + length;
            strike.at -= pulses_[static_cast<std::size_t>(lead_)];
            if (strike.next <= 0.0) strike.next = pulses_.back() - pulses_[static_cast<std::size_t>(lead_)] - strike.at;
        }
    }

    static MinMax rangeOf(const float* volts) {
        const auto [low, high] = std::minmax_element(volts, volts + kPart);
        return {*low, *high};
    }

    /// The picture of the cycle from ranges of kPart samples.
    template <class Range> std::vector<MinMax> columns(const Range& range) const {
        const auto most = static_cast<std::size_t>(out_.shown) * Responses::kPerPulse;
        std::vector<MinMax> out(most, MinMax{1e9f, -1e9f});
        const double perPart = kPart / kRate;
        double to = pulseAt(0.0);
        for (std::size_t part = 0; part < runs_ * (kRun / kPart); ++part) {
            const double from = to;
            to = pulseAt(static_cast<double>(part + 1) * perPart);
            if (!counts(from)) continue;
            const double begin = inCycle(from) * Responses::kPerPulse;
            const MinMax here = range(part);
            const auto last = static_cast<std::size_t>(begin + (to - from) * Responses::kPerPulse);
            for (auto c = static_cast<std::size_t>(std::max(0.0, begin)); c <= last && c < most; ++c) {
                out[c].min = std::min(out[c].min, here.min);
                out[c].max = std::max(out[c].max, here.max);
            }
        }
        for (std::size_t c = 0; c < most; ++c) // a part lies over the border of the lead
            if (out[c].min > out[c].max) out[c] = c > 0 ? out[c - 1] : MinMax{};
        return out;
    }

    Patch patch_;
    const Library& library_;
    Sequencer sequencer_;
    const ResponseOptions& options_;
    std::vector<JackRef> probes_;
    std::vector<WatchedContour> contours_;
    std::vector<WatchedSound> sounds_;
    std::vector<WatchedTune> tunes_;
    std::vector<double> pulses_; ///< seconds, of the run
    std::size_t runs_ = 0;
    std::atomic<bool> cancelled_{false};
    long lead_ = 0;
    Responses out_;
};

} // namespace

int ContourResponse::notHeld() const {
    return static_cast<int>(std::ranges::count(strikes, false, &Strike::held));
}

int ContourResponse::cutOff() const {
    return static_cast<int>(std::ranges::count_if(strikes, &Strike::cutOff));
}

int variationOf(const Patch& patch, const Library& library, const Sequencer& sequencer) {
    const Post* post = patch.post(sequencer.post);
    const KnobInfo* knob = library.part(*post)->knob(sequencer.variationKnob);
    return knob ? static_cast<int>(knobValue(*post, *knob)) : 0;
}

long cycleOf(const Patch& patch, const Library& library, const Sequencer& sequencer, int variation) {
    if (const Pattern* pattern = patch.pattern(sequencer.post))
        if (const long cycle = cycleOf(*pattern, variation); cycle > 0) return cycle;
    const Post* post = patch.post(sequencer.post);
    const std::vector<int> steps = knobSteps(*post, *library.part(*post));
    return steps.empty() ? kLead : std::accumulate(steps.begin(), steps.end(), 0L);
}

Result<Responses> responsesOf(const Patch& patch, const Library& library, const std::string& sequencer,
                              const ResponseOptions& options) {
    auto found = sequencerOf(patch, library, sequencer);
    if (!found) return failure(say("\"{}\" is no post with steps in this patch", sequencer));
    return ResponseRun(patch, library, std::move(*found), options)();
}

} // namespace lariat
