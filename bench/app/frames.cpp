// Frame time of the chart with 20, 60 and 200 live rows, and the time of a knob drag; offscreen, one core painting.
#include "bench/bench_place.h"
#include "model/file.h"
#include "patch/patch_place.h"
#include "places.h"
#include "shell/main_window.h"
#include "time/time_place.h"

#include <QApplication>
#include <QDir>
#include <QElapsedTimer>
#include <QStandardPaths>
#include <QThread>

#include <algorithm>
#include <cstdio>
#include <optional>

using namespace lariat;

namespace {

/// A patch of so many cables: copies of oscillator, filter and VCA voices, one behind the other, in a case of its own.
Patch wide(int cables) {
    Patch patch;
    patch.caseId = "no-case"; // it has more modules than any case holds
    patch.title = "Frames";
    const auto post = [&](const std::string& id, const std::string& module, const std::string& part) {
        patch.posts.push_back({id, id, "s-" + id, module, part, {}, {}, {}});
    };
    const auto tie = [&](JackRef from, JackRef to, int voice) {
        if (static_cast<int>(patch.cables.size()) < cables)
            patch.cables.push_back({patch.freshCableId(),
                                    std::move(from),
                                    std::move(to),
                                    "Voice " + std::to_string(voice),
                                    "tone",
                                    {},
                                    0,
                                    {},
                                    {}});
    };
    post("clock", "beacon-clock", "clock");
    post("tracks", "watch-tracks", "tracks");
    post("out", "harbour-out", "out");
    tie({"clock", "sixteenths"}, {"tracks", "clock"}, 0);
    Track track{"t", {}};
    for (const int note : {50, 57, 62, 53}) track.steps.push_back({Step::Kind::Note, note, 0.5, false});
    patch.patterns = {Pattern{"tracks", {track}, {}}};
    for (int voice = 1; static_cast<int>(patch.cables.size()) < cables; ++voice) {
        const std::string n = std::to_string(voice);
        post("osc" + n, "anchor-vco", "osc");
        post("vcf" + n, "skerry-filter", "filter");
        post("env" + n, "lantern-contours", "1");
        post("vca" + n, "ballast-vcas", "1");
        tie({"tracks", "pitch-1"}, {"osc" + n, "voct"}, voice);
        tie({"osc" + n, "saw"}, {"vcf" + n, "in-1"}, voice);
        tie({"vcf" + n, "low"}, {"vca" + n, "in"}, voice);
        tie({"tracks", "gate-1"}, {"env" + n, "gate"}, voice);
        tie({"env" + n, "out"}, {"vca" + n, "lin-cv"}, voice);
        if (voice == 1) tie({"vca1", "out"}, {"out", "left"}, voice);
    }
    return patch;
}

struct Times {
    double median = 0.0;
    double worst = 0.0;
};

template <class Work> Times timed(int count, Work&& work) {
    std::vector<double> times;
    for (int i = 0; i < count; ++i) {
        QElapsedTimer timer;
        timer.start();
        work(i);
        times.push_back(static_cast<double>(timer.nsecsElapsed()) / 1e6);
        QCoreApplication::processEvents(QEventLoop::AllEvents, 2);
    }
    std::ranges::sort(times);
    return {times[times.size() / 2], times[times.size() * 99 / 100]};
}

/// From a turn of a knob to the first sample that the engine makes of it, at a block size of the device. What follows
/// is the device's own: up to two blocks until the loudspeaker.
Times editToSound(const Workspace& workspace, unsigned block) {
    Patch patch;
    patch.caseId = "no-case";
    patch.posts = {{"level", "level", "a", "bilge-attenuverters", "1", {}, {}, {}},
                   {"out", "out", "b", "harbour-out", "out", {}, {}, {}}};
    patch.cables = {{1, {"level", "out"}, {"out", "left"}, {}, {}, {}, 0, {}, {}}};
    MainWindow window(workspace, allPlaces(), {});
    const QString file = QDir::temp().filePath(QStringLiteral("lariat-latency.json"));
    if (!writeFile(file.toStdString(), writePatch(patch), FileKind::Patch) || !window.openCopy(file)) return {};
    QFile::remove(file);
    window.sound().setBlockFrames(block);
    window.sound().openDevice(QString::fromLatin1(kSimulatedDevice));
    const auto newest = [&] {
        const auto tap = window.sound().engine().tap({"level", "out"});
        const auto sample = tap ? tap->samples(1) : std::vector<float>{};
        return sample.empty() ? 0.0f : sample.front();
    };
    QElapsedTimer warm;
    warm.start();
    while (warm.elapsed() < 500) QCoreApplication::processEvents(QEventLoop::AllEvents, 10);
    std::vector<double> times;
    for (int i = 0; i < 60; ++i) {
        const double to = i % 2 == 0 ? 4.0 : -4.0;
        const float before = newest();
        QElapsedTimer timer;
        timer.start();
        window.document().turnKnob("level", "offset", to);
        while (std::abs(newest() - before) < 0.01f && timer.elapsed() < 1000) QThread::usleep(50);
        times.push_back(static_cast<double>(timer.nsecsElapsed()) / 1e6);
        while (timer.elapsed() < 83 + i) QCoreApplication::processEvents(QEventLoop::AllEvents, 5);
    }
    std::ranges::sort(times);
    return {times[times.size() / 2], times[times.size() * 99 / 100]};
}

/// Four tracks and four lanes of 64 steps: a whole frame, a step that is changed, and how soon its responses are there.
void timePlace(const Workspace& workspace) {
    MainWindow window(workspace, allPlaces(), {});
    window.openCopy(QStringLiteral(LARIAT_SOURCE "/data/demo/night-watch.json"));
    Pattern pattern = *window.document().patch().pattern("tracks");
    pattern.others.clear();
    for (int n = 0; n < 4; ++n) {
        Track& track = trackAt(pattern, 0, n);
        track.steps.clear();
        for (int i = 0; i < 64; ++i) track.steps.push_back({Step::Kind::Note, 50 + (i * (n + 3)) % 13, 0.6});
        laneAt(pattern, 0, n).hits = Hits(64, Hit::Hit);
    }
    window.document().apply({SetPattern{pattern}}, QStringLiteral("much"));
    window.resize(1920, 1400);
    window.showPlace(QStringLiteral("time"));
    window.show();
    auto& place = dynamic_cast<TimePlace&>(*window.place(QStringLiteral("time")));
    const auto settle = [&] {
        while (!place.responder().foretold()) QCoreApplication::processEvents(QEventLoop::AllEvents, 10);
    };
    settle();
    const Times frames = timed(100, [&](int) { place.chart().viewport()->repaint(); });
    const Times pages = timed(50, [&](int i) {
        place.chart().mark({"tracks", false, 0}, {i}); // so that all of it is painted anew
        place.chart().viewport()->repaint();
    });
    place.editor().choose({"tracks", false, 0}, {0});
    const Times edits = timed(50, [&](int i) {
        place.editor().changeSteps(QStringLiteral("edit"), [&](Step& step) { step.note = 50 + i % 12; });
    });
    settle();
    QElapsedTimer clock;
    std::optional<qint64> first;
    const auto seen = QObject::connect(&place.responder(), &Responder::changed, [&] {
        if (!first) first = clock.elapsed();
    });
    clock.start();
    place.editor().changeSteps(QStringLiteral("edit"), [](Step& step) { step.gate = 0.9; });
    while (!first || !place.responder().settled()) QCoreApplication::processEvents(QEventLoop::AllEvents, 2);
    QObject::disconnect(seen);
    std::printf("Time, 8 x 64 steps: frame %.1f ms (99 %%: %.1f), all anew %.1f ms (99 %%: %.1f), edit %.1f ms (99 %%: "
                "%.1f), contours after %lld ms\n",
                frames.median, frames.worst, pages.median, pages.worst, edits.median, edits.worst,
                static_cast<long long>(*first));
}

/// Eight live traces on the Bench: what a frame takes to be folded and to be painted.
void benchPlace(const Workspace& workspace) {
    MainWindow window(workspace, allPlaces(), {});
    window.openCopy(QStringLiteral(LARIAT_SOURCE "/data/demo/lamp.json"));
    window.sound().openDevice(QString::fromLatin1(kSimulatedDevice));
    window.resize(1280, 800);
    window.showPlace(QStringLiteral("bench"));
    window.show();
    auto& place = dynamic_cast<BenchPlace&>(*window.place(QStringLiteral("bench")));
    std::vector<JackRef> jacks;
    for (const Cable& cable : window.document().patch().cables)
        if (jacks.size() < kMostTracks && std::ranges::find(jacks, cable.from) == jacks.end()) {
            jacks.push_back(cable.from);
            place.asked().addJack(cable.from);
        }
    LiveTraces live(window.session());
    live.follow(jacks);
    QElapsedTimer warm;
    warm.start();
    while (warm.elapsed() < 3000 || !place.settled()) QCoreApplication::processEvents(QEventLoop::AllEvents, 10);
    std::vector<PlotCurve> curves;
    const Times folds = timed(100, [&](int) { curves = live.curves(jacks, 0.1, {}); });
    const Times paints = timed(100, [&](int) {
        place.plots().refresh(curves);
        place.plots().repaint();
    });
    std::printf("Bench, eight live traces: folded in %.2f ms (99 %%: %.2f), painted in %.2f ms (99 %%: %.2f)\n",
                folds.median, folds.worst, paints.median, paints.worst);
}

} // namespace

int main(int argc, char** argv) {
    QApplication app(argc, argv);
    QStandardPaths::setTestModeEnabled(true);
    applyTheme(Theme::Light);
    QElapsedTimer start;
    start.start();
    const Workspace workspace = loadWorkspace(std::filesystem::path(LARIAT_SOURCE) / "data");
    {
        MainWindow window(workspace, allPlaces(), {});
        window.openCopy(QStringLiteral(LARIAT_SOURCE "/data/demo/lamp.json"));
        window.show();
        window.grab();
        std::printf("window with the demo painted after %lld ms\n", static_cast<long long>(start.elapsed()));
    }
    std::printf("%8s %8s %12s %12s %12s %12s\n", "cables", "rows", "frame ms", "99 %", "edit ms", "99 %");
    for (const int cables : {20, 60, 200}) {
        MainWindow window(workspace, allPlaces(), {});
        const QString file = QDir::temp().filePath(QStringLiteral("lariat-frames.json"));
        if (!writeFile(file.toStdString(), writePatch(wide(cables)), FileKind::Patch) || !window.openCopy(file))
            return 1;
        QFile::remove(file);
        window.sound().openDevice(QString::fromLatin1(kSimulatedDevice));
        window.resize(1920, cables > 60 ? 1080 : 120 + cables * 44);
        window.show();
        QElapsedTimer warm;
        warm.start();
        while (warm.elapsed() < 4000) QCoreApplication::processEvents(QEventLoop::AllEvents, 10);
        Chart& chart = dynamic_cast<PatchPlace*>(window.place(QStringLiteral("patch")))->chart();
        const Times frames = timed(200, [&](int) { chart.viewport()->repaint(chart.liveRegion()); });
        const Times edits = timed(100, [&](int i) { window.document().turnKnob("vcf1", "cutoff", 300.0 + i); });
        const int shown =
            static_cast<int>(std::min<qreal>(static_cast<qreal>(chart.chartLayout().rows.size()),
                                             (chart.viewport()->height() - chart.chartLayout().headsHeight) / 38.0));
        std::printf("%8d %8d %12.2f %12.2f %12.2f %12.2f\n", cables, shown, frames.median, frames.worst, edits.median,
                    edits.worst);
    }
    timePlace(workspace);
    benchPlace(workspace);
    std::printf("%8s %16s %12s %20s\n", "block", "edit to engine", "99 %", "and to the speaker");
    for (const unsigned block : {128u, 512u}) {
        const Times times = editToSound(workspace, block);
        std::printf("%8u %13.1f ms %9.1f ms %17.1f ms\n", block, times.median, times.worst,
                    times.median + 2e3 * block / 48000.0);
    }
    return 0;
}
