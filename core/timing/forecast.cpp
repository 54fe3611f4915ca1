#include "timing/forecast.h"

#include "engine/envelope_shape.h"

#include <algorithm>
#include <cmath>

namespace lariat {
namespace {

constexpr double kGrid = 10.0;  ///< beats per minute between the tempos that are tried first
constexpr double kClose = 0.05; ///< to which a change is found
constexpr long kOwnCycles = 64; ///< pulses: what a note does depends on its own line, not on how lines meet
constexpr int kHalvings = 14;   ///< of a knob's travel

struct Question {
    Fact::Kind kind;
    std::string post;
    bool wanted;
};

std::vector<Question> questionsOf(const Responses& responses) {
    std::vector<Question> out;
    for (const ContourResponse& contour : responses.contours) {
        if (contour.strikes.empty()) continue;
        if (contour.sustains) out.push_back({Fact::Kind::Sustain, contour.post, true});
        out.push_back({Fact::Kind::Tail, contour.post, !contour.followsGate});
    }
    return out;
}

bool holds(const Responses& responses, const Question& question) {
    const auto contour = std::ranges::find(responses.contours, question.post, &ContourResponse::post);
    if (contour == responses.contours.end()) return false;
    return question.kind == Fact::Kind::Sustain ? contour->notHeld() == 0 : contour->cutOff() == 0;
}

Sentence textOf(const Forecast& forecast, const std::string& name) {
    const bool sustain = forecast.kind == Fact::Kind::Sustain;
    if (forecast.spans.empty())
        return sustain ? say("{}: at no tempo does every note reach sustain", name)
                       : say("{}: at no tempo does every tail end in time", name);
    const auto [from, to] = forecast.spans.front();
    if (from <= kSlowest && to >= kFastest)
        return sustain ? say("{}: every note reaches sustain at every tempo", name)
                       : say("{}: every tail ends in time at every tempo", name);
    if (from <= kSlowest)
        return sustain ? say("{}: up to {:.0f} BPM every note reaches sustain", name, std::floor(to))
                       : say("{}: up to {:.0f} BPM every tail ends in time", name, std::floor(to));
    return sustain
               ? say("{}: from {:.0f} to {:.0f} BPM every note reaches sustain", name, std::ceil(from), std::floor(to))
               : say("{}: from {:.0f} to {:.0f} BPM every tail ends in time", name, std::ceil(from), std::floor(to));
}

/// The knob whose stage is in the way: for sustain the longer one before it, for a tail the stage that ends it.
const KnobInfo* moverOf(const Patch& patch, const Library& library, const Forecast& forecast) {
    const Post& post = *patch.post(forecast.post);
    const EnvelopeKnobs knobs = envelopeKnobs(*library.part(post));
    if (forecast.kind == Fact::Kind::Tail) return knobs.release ? knobs.release : knobs.decay;
    if (!knobs.attack || !knobs.decay) return knobs.decay ? knobs.decay : knobs.attack;
    return knobValue(post, *knobs.attack) > knobValue(post, *knobs.decay) ? knobs.attack : knobs.decay;
}

/// Runs at tempos, each once.
class Tempos {
  public:
    Tempos(const Patch& patch, const Library& library, const std::string& sequencer, ResponseOptions options)
        : patch_(patch), library_(library), sequencer_(sequencer), options_(std::move(options)) {
        options_.sounds = false;
        options_.progress = {};
        options_.mostPulses = kOwnCycles;
    }
    const Result<Responses>& at(double tempo) {
        auto& known = runs_[tempo];
        if (!known) {
            options_.tempo = tempo;
            known = responsesOf(patch_, library_, sequencer_, options_);
        }
        return *known;
    }

  private:
    const Patch& patch_;
    const Library& library_;
    std::string sequencer_;
    ResponseOptions options_;
    std::map<double, std::optional<Result<Responses>>> runs_;
};

} // namespace

Result<std::vector<Forecast>> forecastOf(const Patch& patch, const Library& library, const std::string& sequencer,
                                         const ResponseOptions& options) {
    const TempoHome home = tempoHome(patch, library);
    if (!home.knob) return failure(say("there is no clock with a tempo in this patch"));
    const double now = std::clamp(knobValue(*home.post, *home.knob), kSlowest, kFastest);
    Tempos tempos(patch, library, sequencer, options);
    const auto& present = tempos.at(now);
    if (!present) return tl::unexpected(present.error());
    const std::vector<Question> questions = questionsOf(*present);
    if (questions.empty()) return std::vector<Forecast>{};

    std::vector<double> grid;
    const double slowest = std::max(kSlowest, home.knob->scale.min);
    const double fastest = std::min(kFastest, home.knob->scale.max);
    for (double tempo = slowest; tempo < fastest; tempo += kGrid) grid.push_back(tempo);
    grid.push_back(fastest);
    for (std::size_t i = 0; i < grid.size(); ++i) {
        if (options.progress && !options.progress(0.7 * static_cast<double>(i) / static_cast<double>(grid.size())))
            return failure(say("the run was cancelled"));
        if (const auto& run = tempos.at(grid[i]); !run) return tl::unexpected(run.error());
    }
    std::vector<Forecast> out;
    for (const Question& question : questions) {
        if (options.progress &&
            !options.progress(0.7 + 0.3 * static_cast<double>(out.size()) / static_cast<double>(questions.size())))
            return failure(say("the run was cancelled"));
        Forecast forecast{question.kind, question.post, holds(*present, question), question.wanted, {}, {}};
        const auto ok = [&](double tempo) {
            const auto& run = tempos.at(tempo);
            return run && holds(*run, question);
        };
        /// The tempo between two at which it changes.
        const auto border = [&](double yes, double no) {
            while (std::abs(no - yes) > kClose) (ok(0.5 * (yes + no)) ? yes : no) = 0.5 * (yes + no);
            return yes;
        };
        bool open = false;
        for (std::size_t i = 0; i < grid.size(); ++i) {
            const bool good = ok(grid[i]);
            if (good && !open) forecast.spans.emplace_back(i == 0 ? grid[i] : border(grid[i], grid[i - 1]), grid[i]);
            if (!good && open) forecast.spans.back().second = border(grid[i - 1], grid[i]);
            if (good) forecast.spans.back().second = grid[i];
            open = good;
        }
        forecast.text = textOf(forecast, patch.post(question.post)->name);
        const bool always =
            forecast.spans.size() == 1 && forecast.spans.front() == std::pair(grid.front(), grid.back());
        if (const KnobInfo* knob = always ? nullptr : moverOf(patch, library, forecast)) {
            forecast.knob = knob->id;
            forecast.mover = say("its {} moves that", knob->name);
        }
        out.push_back(std::move(forecast));
    }
    return out;
}

Result<SetKnob> fitToStep(const Patch& patch, const Library& library, const std::string& sequencer,
                          const std::string& contour, Fit fit, int step, const ResponseOptions& options) {
    const Post* post = patch.post(contour);
    if (!post) return failure(say("there is no post \"{}\"", contour));
    const EnvelopeKnobs knobs = envelopeKnobs(*library.part(*post));
    const auto shape = envelopeShape(*post, *library.part(*post), std::nullopt);
    if (!shape) return failure(say("{} is no contour", post->name));
    const bool byDecay = fit == Fit::ReachSustain || !shape->releases;
    const KnobInfo* knob = byDecay ? knobs.decay : knobs.release;
    if (!knob)
        return failure(byDecay ? say("{} has no knob for its decay", post->name)
                               : say("{} has no knob for its release", post->name));
    if (post->locked.contains(knob->id)) return failure(say("{} of {} is locked", knob->name, post->name));

    ResponseOptions quiet = options;
    quiet.sounds = false;
    quiet.progress = {};
    quiet.mostPulses = kOwnCycles;
    Patch turned = patch;
    Post& there = *std::ranges::find(turned.posts, contour, &Post::id);
    Error error;
    const auto fits = [&](double travel) {
        there.knobs[knob->id] = knob->scale.toValue(travel);
        const auto run = responsesOf(turned, library, sequencer, quiet);
        if (!run) {
            error = run.error();
            return false;
        }
        const auto found = std::ranges::find(run->contours, contour, &ContourResponse::post);
        if (found == run->contours.end()) return false;
        bool any = false;
        for (const Strike& strike : found->strikes) {
            if (step >= 0 && strike.step != step) continue;
            any = true;
            if (fit == Fit::ReachSustain ? !strike.held : strike.cutOff()) return false;
        }
        return any;
    };
    if (!fits(0.0)) {
        if (!error.reason.empty()) return tl::unexpected(error);
        return failure(fit == Fit::ReachSustain
                           ? say("not even the shortest decay of {} reaches sustain: its attack is longer than "
                                 "the gate",
                                 post->name)
                           : say("not even the shortest {} of {} ends before the next note: what comes before it "
                                 "is too long",
                                 knob->name, post->name));
    }
    double short_ = 0.0;
    double long_ = 1.0;
    if (fits(1.0)) return SetKnob{contour, knob->id, knob->scale.toValue(1.0)};
    for (int i = 0; i < kHalvings; ++i) {
        if (options.progress && !options.progress(static_cast<double>(i) / kHalvings))
            return failure(say("the run was cancelled"));
        const double middle = 0.5 * (short_ + long_);
        (fits(middle) ? short_ : long_) = middle;
    }
    return SetKnob{contour, knob->id, knob->scale.toValue(short_)};
}

} // namespace lariat
