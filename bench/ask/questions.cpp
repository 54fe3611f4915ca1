// How long the questions of the Bench take: a spectrum, what a picture of eight live traces costs a frame, and each
// answer on a silent run of ten seconds, with and without the run.
#include "ask/asking.h"
#include "ask/parts.h"
#include "library/check.h"
#include "library/workspace.h"
#include "measure/measure.h"
#include "measure/wave.h"

#include <chrono>
#include <cmath>
#include <cstdio>

using namespace lariat;

namespace {

double milliseconds(const std::function<void()>& work, int times) {
    double best = 1e9;
    for (int i = 0; i < times; ++i) {
        const auto start = std::chrono::steady_clock::now();
        work();
        best =
            std::min(best, std::chrono::duration<double, std::milli>(std::chrono::steady_clock::now() - start).count());
    }
    return best;
}

Patch shipped(const Library& library, const char* file) {
    auto patch = openPatch(std::filesystem::path(LARIAT_SOURCE) / "data/demo" / file, library);
    if (!patch) std::abort();
    return std::move(*patch);
}

} // namespace

int main() {
    const Workspace workspace = loadWorkspace(std::filesystem::path(LARIAT_SOURCE) / "data");
    std::vector<float> noise(65536);
    for (std::size_t i = 0; i < noise.size(); ++i)
        noise[i] = static_cast<float>(std::sin(0.001 * static_cast<double>(i * i)));
    std::printf("spectrum of 65,536 points: %.2f ms\n",
                milliseconds([&] { (void)measureSpectrum(noise, 96000.0); }, 50));

    std::vector<float> two(192000);
    for (std::size_t i = 0; i < two.size(); ++i)
        two[i] = 5.0f * static_cast<float>(std::sin(0.01 * static_cast<double>(i)));
    const double frame = milliseconds(
        [&] {
            (void)passages(two, 0.0, true, 0.5);
            for (int trace = 0; trace < 8; ++trace)
                (void)columnsOf(std::span<const float>(two).first(9600), kPlotColumns);
        },
        50);
    std::printf("eight live traces: %.2f ms a frame, %.1f %% of one processor at 30 frames a second\n", frame,
                3.0 * frame);

    struct Case {
        Question question;
        const char* file;
        std::vector<JackRef> jacks;
    };
    for (const Case& one :
         {Case{Question::Shape, "lamp.json", {{"contour-1", "out"}}},
          Case{Question::Note, "lamp.json", {{"vca-1", "out"}}}, Case{Question::Same, "lamp.json", {{"vca-2", "out"}}},
          Case{Question::Loud, "lamp.json", {{"osc-a", "saw"}}},
          Case{Question::Content, "lamp.json", {{"filter", "low"}}},
          Case{Question::Relate, "fog-signal.json", {{"divider", "out-1"}, {"divider", "out-2"}}},
          Case{Question::Better, "lamp.json", {{"filter", "low"}, {"osc-a", "saw"}}}}) {
        const Patch patch = shipped(workspace.library, one.file);
        Asking asking;
        asking.question = one.question;
        asking.jacks = one.jacks;
        asking.seconds = 10.0;
        const double whole = milliseconds([&] { (void)answerTo(asking, &patch, workspace.library); }, 3);
        double alone = 0.0;
        if (one.question != Question::Loud) {
            ListenOptions how;
            how.seconds = 10.0;
            asking.given = *listen(patch, workspace.library, one.jacks, how);
            alone = milliseconds([&] { (void)answerTo(asking, &patch, workspace.library); }, 3);
        }
        std::printf("%-8s %6.0f ms with the run of 10 s, %6.0f ms without\n", questionId(one.question), whole, alone);
    }
    return 0;
}
