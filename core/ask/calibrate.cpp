#include "ask/calibrate.h"

#include "maker/calibrate_module.h"
#include "measure/reading.h"
#include "units/level.h"

#include <cmath>
#include <optional>

namespace lariat {
namespace {

constexpr double kOtherSound = 6.0; ///< dB in one band: level and DC are those of another sound
constexpr double kTrimmed = 0.1;    ///< dB
constexpr double kShifted = 0.005;  ///< volts
constexpr double kWider = 2.0;      ///< cents an octave
constexpr double kStill = 0.003;    ///< of the sound: what lies below is noise, not the sound itself
constexpr double kNoisier = 20e-6;  ///< volts RMS

std::optional<double> valueOf(const Answer& answer, const char* id) {
    const AskedFigure* figure = answer.figure(id);
    return figure ? figure->value : std::nullopt;
}

/// The pitch input of the part that sets the pitch of an output.
std::optional<JackRef> pitchInputOf(const Patch& patch, const Library& library, const JackRef& at) {
    const JackRef source = pitchSource(patch, library, at).output;
    const Post* post = patch.post(source.post.empty() ? at.post : source.post);
    if (!post) return std::nullopt;
    for (const JackInfo& jack : library.part(*post)->jacks)
        if (!jack.output && jack.kind == SignalKind::Pitch && !jack.scaling.hertzPerVolt)
            return JackRef{post->id, jack.id};
    return std::nullopt;
}

using Change = std::function<Result<ModuleInfo>(const ModuleInfo&)>;

void offer(Answer& answer, const ModuleInfo& module, Sentence what, Change change) {
    if (!change(module)) return; // beyond what could be its own
    Sentence label = inside(say("Keep with {}", module.description.name), std::move(what));
    answer.offers.push_back({std::move(label), {}, module.description.id, std::move(change)});
}

void offerTracking(Answer& answer, const Patch& patch, const Library& library, const JackRef& at) {
    const auto grows = valueOf(answer, "tracking-cents");
    const auto input = pitchInputOf(patch, library, at);
    if (!grows || std::abs(*grows) < kWider || !input) return;
    const Post& post = *patch.post(input->post);
    const JackInfo& jack = *library.jack(patch, *input);
    // It may be known to be wide already: what is heard comes on top.
    const double cents = 1200.0 * (1.0 / jack.scaling.gain - 1.0) + *grows;
    offer(
        answer, *library.module(post.module), say("an octave at {} is {:+.1f} cents wide", jack.name, cents),
        [part = post.part, id = jack.id, cents](const ModuleInfo& now) { return withTracking(now, part, id, cents); });
}

} // namespace

void offerCalibration(Answer& answer, const RealPair& pair, const Patch& patch, const Library& library,
                      const JackRef& at) {
    const JackInfo* output = at.post.empty() ? nullptr : library.jack(patch, at); // the way out is everybody's
    if (!output || !output->output) return;
    offerTracking(answer, patch, library, at);
    const Post& post = *patch.post(at.post);
    const ModuleInfo& module = *library.module(post.module);
    Trim trim;
    if (std::abs(valueOf(answer, "band-decibels").value_or(kOtherSound)) < kOtherSound && !pair.inverted) {
        trim.decibels = valueOf(answer, "loudness-decibels").value_or(0.0);
        trim.offset = valueOf(answer, "offset-volts").value_or(0.0);
    }
    if (std::abs(trim.decibels) > kTrimmed || std::abs(trim.offset) > kShifted)
        offer(answer, module,
              say("{} is off by {:+.2f} dB and {:+.0f} mV", output->name, trim.decibels, 1e3 * trim.offset),
              [part = post.part, jack = at.jack, trim](const ModuleInfo& now) {
                  return withTrim(now, part, jack, trim);
              });
    const auto floor = valueOf(answer, "floor-volts");
    const double loud = measureLevel(pair.recorded.volts).alternating().value;
    if (!floor || *floor > kStill * loud || std::abs(*floor - 1e-6 * module.description.noiseMicrovolts) < kNoisier)
        return;
    const double noise = std::round(1e6 * *floor);
    offer(answer, module, say("its noise is {:.0f} µV", noise),
          [noise](const ModuleInfo& now) { return withNoise(now, noise); });
}

} // namespace lariat
