// What works in several threads at once on the same library: checks, seeking, plans, spectra. Each gives what it gives
// alone, and the thread sanitizer sees no two that touch the same memory.
#include "engine/engine.h"
#include "findings/finding.h"
#include "library/check.h"
#include "measure/fourier.h"
#include "model/edit.h"
#include "plan/plan.h"
#include "plan/seek.h"
#include "support/cases.h"
#include "support/patches.h"
#include "timing/responses.h"

#include <QtTest>

#include <atomic>
#include <cmath>
#include <future>
#include <thread>

#include <fmt/format.h>

using namespace lariat;
using namespace lariat::test;

namespace {

const Library& library() {
    return workspace().library;
}

/// A voice whose VCA nothing opens, so that there is something to find and something to try.
Patch closedVoice() {
    PatchMaker maker("tower-case");
    maker.timing().post("osc", "keel-a", "a").post("env", "lantern-a", "1").post("vca", "ballast-a", "1");
    maker.post("out", "harbour", "out").tie("osc.saw", "vca.in").tie("vca.out", "out.left");
    maker.tie("tracks.drum-1", "env.gate");
    return maker.make();
}

/// What a check says, a line each.
std::vector<std::string> checked(const Patch& patch, const std::function<bool(double)>& progress = {}) {
    std::vector<std::string> lines;
    const auto observed = observe(patch, library(), nullptr, 1.0, progress);
    if (!observed) return {observed.error().text()};
    const auto found = findEverything(*observed, progress);
    if (!found) return {found.error().text()};
    for (const Finding& one : found->open) lines.push_back(one.rule + " " + one.post + " " + one.figure.str());
    return lines;
}

template <class Work> auto together(int count, const Work& work) {
    std::vector<std::future<decltype(work(0))>> going;
    for (int i = 0; i < count; ++i) going.push_back(std::async(std::launch::async, work, i));
    std::vector<decltype(work(0))> done;
    for (auto& one : going) done.push_back(one.get());
    return done;
}

} // namespace

class ThreadsTest : public QObject {
    Q_OBJECT

  private Q_SLOTS:
    void checksRunSideBySide() {
        const Patch patch = closedVoice();
        const auto alone = checked(patch);
        QVERIFY(!alone.empty());
        for (const auto& lines : together(3, [&](int) { return checked(patch); })) QVERIFY(lines == alone);
    }

    /// Contours and each sound of a cycle are run apart from each other: together they say what they say alone, and all
    /// of them stop when one is told to.
    void responsesRunSideBySide() {
        const Patch patch = demo("engine-room.json");
        const auto said = [&](const std::function<bool(double)>& progress) {
            ResponseOptions options;
            options.mostPulses = 8;
            options.progress = progress;
            std::vector<std::string> lines;
            const auto made = responsesOf(patch, library(), "tracks", options);
            if (!made) return std::vector{made.error().text()};
            for (const SoundResponse& sound : made->sounds) {
                lines.push_back(fmt::format("{} {} {}", sound.output.text(), sound.low, sound.high));
                for (const Fact& fact : sound.facts) lines.push_back(fact.text.str());
            }
            for (const ContourResponse& contour : made->contours)
                lines.push_back(fmt::format("{} {}", contour.post, contour.strikes.size()));
            return lines;
        };
        const auto alone = said({});
        QVERIFY(alone.size() > 4);
        for (const auto& lines : together(2, [&](int) { return said({}); })) QVERIFY(lines == alone);
        std::atomic<int> asked{0};
        QCOMPARE(said([&](double) { return ++asked < 3; }).size(), std::size_t{1});
    }

    /// As the window does it: the patch is edited, what runs is stopped, another is begun before it has stopped.
    void aCheckIsStoppedWhileThePatchIsEdited() {
        Patch patch = closedVoice();
        std::atomic<bool> stopped = false;
        std::atomic<bool> began = false;
        auto going = std::async(std::launch::async, [&, copy = patch] {
            return checked(copy, [&](double) {
                began = true;
                return !stopped;
            });
        });
        while (!began) std::this_thread::yield();
        for (int i = 0; i < 20; ++i) {
            const auto next = applyEdit(patch, SetKnob{"vca", "offset", (i + 1) / 20.0}).and_then([](Patch made) {
                return checkPatch(std::move(made), library());
            });
            QVERIFY(next);
            patch = *next;
        }
        stopped = true;
        const auto other = checked(patch);
        going.wait();
        QVERIFY(going.get() != other); // one has found the VCA shut, or was stopped; the other is open
    }

    void knobsAreSoughtSideBySide() {
        const Patch patch = closedVoice();
        const std::vector<Goal> goals{{"goal", GoalKind::Pitch, JackRef{"osc", "saw"}, 63.0, 0.1, 0.1, 0.3}};
        SeekOptions options;
        options.threads = 3;
        options.mostRuns = 40;
        for (const double value : together(2, [&](int) {
                 const auto sought = seek(patch, library(), goals, {{"osc", "fine"}}, options);
                 return sought && sought->met ? sought->knobs.front().value : -100.0;
             }))
            QVERIFY2(std::abs(value - 3.0) < 0.1, qPrintable(QString::number(value)));
    }

    /// The solver behind it serves one at a time.
    void plansAreMadeSideBySide() {
        const auto functions = Functions::load(dataFolder() / "functions.json");
        QVERIFY(functions);
        const auto recipe = readRecipe(R"({"format": "lariat-recipe", "version": 1, "id": "r", "name": "R",
            "roles": [{"id": "osc", "plays": "vco"}, {"id": "vca", "plays": "vca"}, {"id": "out", "plays": "way-out"}],
            "cables": [{"from": "osc.saw", "to": "vca.in"}, {"from": "vca.out", "to": "out.in"}]})");
        QVERIFY(recipe);
        const Case& housing = workspace().cases.at("tower-case");
        Patch empty;
        empty.caseId = housing.id;
        const Site site{&library(), &*functions, &housing, empty};
        for (const std::size_t cables : together(3, [&](int) {
                 const auto planned = planRecipe({&*recipe}, site);
                 return planned && !planned->plans.empty() ? planned->plans.front().after.cables.size() : 0;
             }))
            QCOMPARE(cables, std::size_t{2});
    }

    /// What is lent to the audio side is taken back while it is in use.
    void recordingsAreExchangedWhileTheyPlay() {
        Engine engine({}, 48000.0);
        std::atomic<bool> over = false;
        auto device = std::async(std::launch::async, [&] {
            std::vector<float> block(256);
            while (!over) engine.process(block.data(), block.size() / 2);
        });
        for (int i = 0; i < 50; ++i) {
            engine.setPlayback(std::make_unique<Playback>(
                std::vector<Playback::Recording>{{std::vector<float>(500, 0.1f)}, {std::vector<float>(700, 0.2f)}}, 100,
                48000.0));
            engine.playback()->choose(static_cast<std::size_t>(i % 2));
            std::this_thread::yield();
        }
        engine.setPlayback(nullptr);
        over = true;
        device.wait();
    }

    void spectraAreTakenSideBySide() {
        std::vector<float> volts(1u << 14);
        for (std::size_t i = 0; i < volts.size(); ++i) volts[i] = std::sin(0.1f * static_cast<float>(i));
        const auto alone = transform(volts);
        for (const auto& other : together(4, [&](int) { return transform(volts); })) QVERIFY(other == alone);
    }
};

QTEST_GUILESS_MAIN(ThreadsTest)
#include "threads_test.moc"
