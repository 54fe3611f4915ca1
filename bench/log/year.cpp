// A year of work: 10,000 takes in a log, how long it takes to open, list, search and compare.
// Usage: lariat-year [takes]
#include "library/check.h"
#include "library/workspace.h"
#include "log/differences.h"
#include "logbook/logbook.h"

#include <QCoreApplication>
#include <QElapsedTimer>
#include <QTemporaryDir>

#include <cstdio>
#include <cstdlib>

using namespace lariat;

namespace {

template <class Run> void timed(const char* what, Run&& run) {
    QElapsedTimer timer;
    timer.start();
    const long long count = run();
    std::printf("%-44s %8.1f ms  (%lld)\n", what, static_cast<double>(timer.nsecsElapsed()) * 1e-6, count);
}

} // namespace

int main(int argc, char** argv) {
    const QCoreApplication app(argc, argv);
    const int takes = argc > 1 ? std::atoi(argv[1]) : 10'000;
    const QTemporaryDir folder;
    const std::filesystem::path file = std::filesystem::path(folder.path().toStdString()) / "log.sqlite";
    const Workspace workspace = loadWorkspace(std::string(LARIAT_SOURCE) + "/data");
    const Patch lamp = *openPatch(std::string(LARIAT_SOURCE) + "/data/demo/lamp.json", workspace.library);
    {
        auto log = Logbook::open(file);
        NewTake take{.patch = lamp, .rig = rigOf(lamp, workspace)};
        take.sound.assign(600'000, 's');
        timed("keep them all", [&] {
            for (int i = 0; i < takes; ++i) {
                take.parent = i;
                take.at = 1'000'000LL * i;
                take.label = {"take number " + std::to_string(i),
                              i % 7 == 0 ? "bell below the stairs" : "",
                              {i % 3 == 0 ? "lead" : "drum"},
                              i % 6};
                take.figures = {{"tail", 20.0 + i % 30},
                                {"decay", 0.001 * (i % 900)},
                                {"level", -9.0 - i % 20},
                                {"findings", i % 4}};
                if (i % 10 != 0) take.sound.clear();
                if (i % 10 == 0) take.sound.assign(600'000, 's');
                take.patch.posts[7].knobs["cutoff"] = 100.0 + i;
                if (!log->add(take, workspace.library)) return -1LL;
            }
            return static_cast<long long>(takes);
        });
    }
    std::optional<Logbook> log;
    timed("open", [&] {
        log = std::move(*Logbook::open(file));
        return 1LL;
    });
    timed("list all", [&] { return static_cast<long long>(log->list()->size()); });
    for (const char* text :
         {"bell", "number 77", "tail D1, decay 300-500 ms, no findings", "#lead, rated 4", "with skerry"})
        timed(text, [&] { return static_cast<long long>(log->list(*readQuery(text, 0), 500)->size()); });
    timed("read two and compare", [&] {
        const Take a = *log->take(takes / 2);
        const Take b = *log->take(takes);
        return static_cast<long long>(differences(a.patch, b.patch, workspace.library).size());
    });
    std::printf("%.0f MB\n", static_cast<double>(log->usage()->bytes) * 1e-6);
    return 0;
}
