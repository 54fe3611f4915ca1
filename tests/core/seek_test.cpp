// Goals are measured against closed forms, and knobs are found for goals that nobody set before.
#include "engine/render.h"
#include "plan/detective.h"
#include "plan/seek.h"
#include "support/patches.h"
#include "units/pitch.h"

#include <QtTest>

#include <cmath>
#include <numbers>
#include <random>

using namespace lariat;
using namespace lariat::test;

namespace {

constexpr double kRate = 48000.0;

std::vector<float> made(double seconds, const std::function<double(double)>& volts) {
    std::vector<float> out;
    for (double t = 0.0; t < seconds; t += 1.0 / kRate) out.push_back(static_cast<float>(volts(t)));
    return out;
}

double sine(double hertz, double t) {
    return std::sin(2.0 * std::numbers::pi * hertz * t);
}

Goal goal(GoalKind kind, double want, double within, double from = 0.0, double to = 1.0, JackRef at = {}) {
    return {"goal", kind, std::move(at), want, within, from, to};
}

double reading(GoalKind kind, std::span<const float> volts, double from = 0.0, double to = 1.0) {
    return measureGoal(goal(kind, 0, 1, from, to), volts, kRate).value_or(-1.0);
}

/// A voice that is struck once a second, with what tasks turn.
Patch struck() {
    PatchMaker maker("tower-case");
    maker.timing().post("osc", "keel-a", "a").post("filter", "skerry-a", "filter").post("env", "lantern-a", "1");
    maker.post("vca", "ballast-a", "1").post("out", "harbour", "out").post("lfo", "swell-a", "lfo");
    maker.tie("osc.saw", "filter.in-1").tie("filter.low", "vca.in").tie("tracks.drum-1", "env.gate");
    maker.tie("env.out", "vca.lin-cv").tie("vca.out", "out.left").tie("lfo.square", "out.right");
    maker.knob("env", "type", 2).knob("env", "attack", 0.001).knob("env", "decay", 0.2);
    return maker.make();
}

} // namespace

class SeekTest : public QObject {
    Q_OBJECT

  private Q_SLOTS:
    void goalsAreMeasuredAgainstClosedForms() {
        const auto tone = made(1.0, [](double t) { return 2.0 * sine(146.832, t); });
        QVERIFY(std::abs(reading(GoalKind::Pitch, tone) - 50.0) < 0.01);
        QVERIFY(std::abs(reading(GoalKind::Peak, tone) - 2.0) < 0.001);
        QVERIFY(std::abs(reading(GoalKind::Level, tone) - std::numbers::sqrt2) < 0.005);
        QVERIFY(std::abs(reading(GoalKind::Brightness, tone) - 146.832) < 2.0);
        QVERIFY(std::abs(reading(GoalKind::Lowest, tone) + 2.0) < 0.001);
        // Two tones of one level: the centre is between them.
        const auto two = made(1.0, [](double t) { return sine(400, t) + sine(1200, t); });
        QVERIFY(std::abs(reading(GoalKind::Brightness, two) - 800.0) < 5.0);
        // 60 dB down after ln(1000) time constants.
        const auto fall = made(1.0, [](double t) { return 5.0 * std::exp(-t / 0.05) * sine(500, t); });
        QVERIFY(std::abs(reading(GoalKind::Length, fall) - 0.05 * std::log(1000.0)) < 0.012);
        const auto pulses = made(2.0, [](double t) { return std::fmod(t, 0.25) < 0.02 ? 5.0 : 0.0; });
        QVERIFY(std::abs(reading(GoalKind::Rate, pulses, 0.0, 2.0) - 4.0) < 0.001);
        const auto silence = made(1.0, [](double) { return 0.0; });
        for (const GoalKind kind :
             {GoalKind::Pitch, GoalKind::Length, GoalKind::Brightness, GoalKind::Rate, GoalKind::Alike})
            QVERIFY(!measureGoal(goal(kind, 0, 1), silence, kRate));
    }

    /// The tail of a drum: a few periods that die away.
    void tailsKeepTheirPitch() {
        for (const double note : {21.0, 26.0, 33.0, 38.0})
            for (const double tau : {0.05, 0.1, 0.3}) {
                const double hertz = noteToHertz(note).value;
                const auto tail =
                    made(0.4, [&](double t) { return 4.0 * std::exp(-t / tau) * sine(hertz, t + 0.003); });
                const double heard = reading(GoalKind::Pitch, tail, 0.05, 0.3);
                QVERIFY2(std::abs(heard - note) < 0.05,
                         qPrintable(QStringLiteral("note %1, %2 s: %3").arg(note).arg(tau).arg(heard)));
            }
    }

    void hitsAreCompared() {
        const auto hits = [](double detune) {
            return made(2.0, [=](double t) {
                const double since = std::fmod(t, 0.5);
                const double hertz = t < 0.5 ? 80.0 : 80.0 * (1.0 + detune);
                return 4.0 * std::exp(-since / 0.05) * std::sin(2.0 * std::numbers::pi * hertz * since + 0.6);
            });
        };
        QVERIFY(reading(GoalKind::Alike, hits(0.0), 0.0, 2.0) < 0.5);
        QVERIFY(reading(GoalKind::Alike, hits(0.2), 0.0, 2.0) > 10.0);
    }

    void textIsReadAsPeopleWriteIt() {
        QCOMPARE(*readGoalValue(GoalKind::Pitch, "D1"), 26.0);
        QVERIFY(std::abs(*readGoalValue(GoalKind::Pitch, "440 Hz") - 69.0) < 1e-9);
        QCOMPARE(*readGoalValue(GoalKind::Length, "300 ms"), 0.3);
        QCOMPARE(*readGoalTolerance(GoalKind::Pitch, 26.0, "5 cents"), 0.05);
        QVERIFY(std::abs(*readGoalTolerance(GoalKind::Brightness, 600.0, "5 %") - 30.0) < 1e-9);
        QVERIFY(!readGoalValue(GoalKind::Pitch, "quite low"));
        QVERIFY(!readGoalTolerance(GoalKind::Peak, 5.0, "0 V"));
        QVERIFY(readGoalKind("luck").error().reason.str().find("cannot be measured") != std::string::npos);
    }

    void whatMakesNoSenseIsRefused() {
        const Patch patch = struck();
        const Library& library = workspace().library;
        QVERIFY(!seek(patch, library, {}, {{"osc", "fine"}}));
        QVERIFY(seek(patch, library, {goal(GoalKind::Pitch, 50, 0.05)}, {{"osc", "octave"}})
                    .error()
                    .reason.str()
                    .find("bit by bit") != std::string::npos);
        QVERIFY(!seek(patch, library, {goal(GoalKind::Pitch, 50, 0.05)}, {{"nobody", "fine"}}));
        QVERIFY(!seek(patch, library, {goal(GoalKind::Pitch, 50, 0.0)}, {{"osc", "fine"}}));
        QVERIFY(!seek(patch, library, {goal(GoalKind::Pitch, 50, 0.1, 0, 1, {"nobody", "out"})}, {{"osc", "fine"}}));
        Patch locked = patch;
        std::ranges::find(locked.posts, std::string("osc"), &Post::id)->locked.insert("fine");
        QVERIFY(seek(locked, library, {goal(GoalKind::Pitch, 50, 0.05)}, {{"osc", "fine"}})
                    .error()
                    .reason.str()
                    .find("locked") != std::string::npos);
        int told = 0;
        SeekOptions options;
        options.progress = [&](double) { return ++told < 3; };
        QVERIFY(!seek(patch, library, {goal(GoalKind::Pitch, 45, 0.01, 0.1, 0.5, {"osc", "saw"})}, {{"osc", "fine"}},
                      options));
    }

    void whatCannotBeMetComesNearest() {
        const auto sought = *seek(struck(), workspace().library,
                                  {goal(GoalKind::Pitch, 90, 0.05, 0.1, 0.4, {"osc", "saw"})}, {{"osc", "fine"}});
        QVERIFY(!sought.met);
        // Seven semitones up is as far as it goes.
        QVERIFY(std::abs(sought.knobs.front().value - 7.0) < 0.2);
    }

    /// Both ends of a found range hold, and a little beyond they do not.
    void rangesHoldToTheirEnds() {
        const Patch patch = struck();
        const std::vector<Goal> goals{goal(GoalKind::Pitch, 63.0, 0.1, 0.1, 0.5, {"osc", "saw"})};
        const auto sought = *seek(patch, workspace().library, goals, {{"osc", "fine"}});
        QVERIFY(sought.met && !sought.wasThere);
        const FoundKnob& found = sought.knobs.front();
        QVERIFY(std::abs(found.value - 3.0) < 0.1);
        QVERIFY(std::abs(found.low - 2.9) < 0.04 && std::abs(found.high - 3.1) < 0.04);
        QCOMPARE(sought.edits.size(), std::size_t{1});
    }

    /// Forty tasks that no recipe knows; 38 are to be met.
    void heldBackTasksAreMet() {
        std::mt19937 random(20261126);
        const auto between = [&](double low, double high) { return std::uniform_real_distribution(low, high)(random); };
        const Patch patch = struck();
        int met = 0;
        QStringList failed;
        for (int task = 0; task < 40; ++task) {
            std::vector<Goal> goals;
            std::vector<SeekKnob> knobs;
            switch (task % 5) {
            case 0:
                goals = {goal(GoalKind::Pitch, between(54, 66), 0.05, 0.1, 0.4, {"osc", "saw"})};
                knobs = {{"osc", "fine"}};
                break;
            case 1: {
                const double wish = between(0.06, 0.42); // hits come every half second
                goals = {goal(GoalKind::Length, wish, 0.05 * wish, 0.0, 1.9, {"vca", "out"})};
                knobs = {{"env", "decay"}};
                break;
            }
            case 2: {
                const double wish = between(300, 700);
                goals = {goal(GoalKind::Brightness, wish, 0.05 * wish, 0.0, 0.6, {"filter", "low"})};
                knobs = {{"filter", "cutoff"}};
                break;
            }
            case 3: {
                const double wish = between(1.0, 30.0);
                goals = {goal(GoalKind::Rate, wish, 0.02 * wish, 0.0, 3.0, {"lfo", "square"})};
                knobs = {{"lfo", "rate"}};
                break;
            }
            default: { // two at once
                const double bright = between(300, 700);
                const double length = between(0.1, 0.42);
                goals = {goal(GoalKind::Length, length, 0.06 * length, 0.0, 1.9, {"vca", "out"}),
                         goal(GoalKind::Brightness, bright, 0.06 * bright, 0.0, 0.5, {"filter", "low"})};
                knobs = {{"env", "decay"}, {"filter", "cutoff"}};
                break;
            }
            }
            const auto sought = seek(patch, workspace().library, goals, knobs);
            QVERIFY(sought);
            if (sought->met)
                ++met;
            else
                failed << QString::fromStdString(
                    fmt::format("{}: {} (wanted {})", task, sought->goals[0].text(), sought->goals[0].wanted()));
        }
        QVERIFY2(met >= 38, qPrintable(failed.join(QStringLiteral("; "))));
    }

    /// For every cable on the way: it is pulled, the questions are answered as the metal would, and it is named.
    void theDetectiveFindsThePulledCable() {
        const Patch patch = struck();
        for (const Cable& pulled : patch.cables) {
            if (pulled.from.post == "lfo") continue; // nothing of it is missed at the left
            if (pulled.to.jack == "reset" || (pulled.from.post == "tracks" && pulled.to.post != "env")) continue;
            auto detective = *Detective::on(patch, workspace().library);
            const auto swing = [&](const JackRef& at, std::vector<int> silenced) {
                RenderOptions options;
                options.seconds = 2.5;
                options.probes = {at};
                options.silenced = std::move(silenced);
                const auto run = render(patch, workspace().library, options);
                const auto [low, high] = std::ranges::minmax(run->probes.at(at));
                return static_cast<double>(high - low);
            };
            while (const auto question = detective.question()) {
                QVERIFY(detective.asked() < 8);
                QVERIFY(!question->expect.empty());
                detective.answer(swing(question->at, {pulled.id}) > 0.5 * swing(question->at, {}));
            }
            const auto found = detective.found();
            QVERIFY(found && !found->tries.empty());
            // The cable itself, or the post that it goes into, of which pushing the plug in is tried first.
            const bool named = found->cable == pulled.id || found->post == pulled.to.post;
            QVERIFY2(named, qPrintable(QString::fromStdString(pulled.from.text() + " to " + pulled.to.text() + ": " +
                                                              found->what.str())));
        }
        QVERIFY(!Detective::on(Patch{}, workspace().library));
    }
};

QTEST_APPLESS_MAIN(SeekTest)
#include "seek_test.moc"
