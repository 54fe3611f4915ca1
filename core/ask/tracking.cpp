#include "ask/tracking.h"

#include "ask/parts.h"
#include "engine/render.h"
#include "measure/measure.h"
#include "units/pitch.h"

#include <algorithm>
#include <cmath>

namespace lariat {
namespace {

constexpr double kSettle = 0.15; ///< seconds
constexpr double kRead = 0.35;
constexpr const char* kSourceModule = "tiller-pad"; ///< has a voltage that stands where it is put
constexpr const char* kSourcePost = "bench-volts";
constexpr double kSourceRange = 5.0; ///< volts at 100 %

} // namespace

double centsPerOctave(const std::vector<TrackingPoint>& points) {
    double n = 0.0, sx = 0.0, sy = 0.0, sxx = 0.0, sxy = 0.0;
    for (const TrackingPoint& point : points) {
        n += 1.0;
        sx += point.volts;
        sy += point.cents;
        sxx += point.volts * point.volts;
        sxy += point.volts * point.cents;
    }
    const double spread = n * sxx - sx * sx;
    return spread > 0.0 ? (n * sxy - sx * sy) / spread : 0.0;
}

Result<Answer> askTracking(const Patch& patch, const Library& library, const TrackingOptions& options) {
    const JackInfo* input = library.jack(patch, options.input);
    const JackInfo* output = library.jack(patch, options.output);
    if (!input || input->output) return failure(say("{} is no input of this patch", options.input.text()));
    if (!output || !output->output) return failure(say("{} is no output of this patch", options.output.text()));
    if (!(options.to > options.from) || !(options.step > 0.0) || (options.to - options.from) / options.step > 200.0)
        return failure(say("from {:g} V to {:g} V by {:g} V is no range", options.from, options.to, options.step));
    if (!library.module(kSourceModule)) return failure(say("the module {} is missing", kSourceModule));
    Patch driven = patch;
    std::erase_if(driven.cables, [&](const Cable& cable) { return cable.to == options.input; });
    Post source;
    source.id = kSourcePost;
    source.name = kSourcePost;
    source.slot = kSourcePost;
    source.module = kSourceModule;
    source.part = "pad";
    driven.posts.push_back(source);
    Cable cable;
    cable.id = driven.freshCableId();
    cable.from = {kSourcePost, "x"};
    cable.to = options.input;
    driven.cables.push_back(cable);
    Renderer::Settings settings;
    settings.realCase = options.realCase;
    settings.probes = {options.output};
    auto renderer = Renderer::make(driven, library, settings);
    if (!renderer) return tl::unexpected(renderer.error());
    std::vector<TrackingPoint> points;
    const int count = static_cast<int>(std::lround((options.to - options.from) / options.step)) + 1;
    for (int i = 0; i < count; ++i) {
        const double volts = options.from + i * options.step;
        if (auto turned = renderer->setControl(kSourcePost, "x", 100.0 * volts / kSourceRange); !turned)
            return tl::unexpected(turned.error());
        (void)renderer->run(kSettle, [](const RunView&) { return true; });
        std::vector<float> heard;
        (void)renderer->run(kRead, [&](const RunView& run) {
            heard.insert(heard.end(), run.probes[0]->volts.begin(), run.probes[0]->volts.end());
            return true;
        });
        const auto pitch = measurePitch(heard, settings.rate, {1e-3});
        if (pitch && pitch->clarity > 0.9) points.push_back({volts, pitch->hertz.value, 0.0});
        if (options.progress && !options.progress(static_cast<double>(i + 1) / count)) return failure(say("stopped"));
    }
    Answer answer;
    answer.question = Question::Note;
    const std::string name = trackName(patch, library, options.output);
    answer.tracks = {name};
    if (points.size() < 3) {
        answer.verdict = say("{} sounds no pitch while {} is played, so that its tracking cannot be told.", name,
                             trackName(patch, library, options.input));
        return answer;
    }
    const auto middle = std::ranges::min_element(points, {}, [](const TrackingPoint& p) { return std::abs(p.volts); });
    const double base = std::log2(middle->hertz) - middle->volts;
    double worst = 0.0;
    double at = 0.0;
    Plot plot;
    plot.id = "tracking";
    plot.title = say("Cents off one volt an octave, by the voltage");
    PlotCurve curve{{}, 0, SignalKind::Pitch, {}, {}, false};
    double most = 1.0;
    for (TrackingPoint& point : points) {
        point.cents = 1200.0 * (std::log2(point.hertz) - point.volts - base);
        curve.points.emplace_back(static_cast<float>(point.volts), static_cast<float>(point.cents));
        most = std::max(most, std::abs(point.cents));
        if (std::abs(point.cents) > std::abs(worst)) {
            worst = point.cents;
            at = point.volts;
        }
        addFigure(answer, fmt::format("at{:+.1f}-cents", point.volts), say("at {:+.1f} V", point.volts),
                  fmt::format("{} · {}", centsText(point.cents), hertzText(point.hertz)), point.cents, -1,
                  std::abs(point.cents) > 5.0);
    }
    plot.x = {"V", options.from, options.to, false};
    plot.y = {"cents", -1.2 * most, 1.2 * most, false};
    plot.curves.push_back(std::move(curve));
    plot.marks.push_back({false, 0.0, say("one volt an octave"), false});
    answer.plots.push_back(std::move(plot));
    const double slope = centsPerOctave(points);
    addFigure(answer, "slope-cents", say("an octave is too wide by"), centsText(slope), slope, -1,
              std::abs(slope) > 3.0);
    addFigure(answer, "worst-cents", say("farthest off"), fmt::format("{} · {:+.1f} V", centsText(worst), at), worst,
              -1, std::abs(worst) > 5.0);
    answer.verdict = std::abs(worst) <= 5.0
                         ? say("{} tracks from {:+.1f} to {:+.1f} V within {:.1f} cents.", name, points.front().volts,
                               points.back().volts, std::abs(worst))
                         : say("{} does not track: {} off at {:+.1f} V, {:+.1f} cents in each octave.", name,
                               centsText(worst), at, slope);
    return answer;
}

} // namespace lariat
