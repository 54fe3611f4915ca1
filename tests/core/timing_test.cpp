// Patterns as words, what is done to them, and what they cause: responses, forecasts and fits against closed forms.
#include "model/pattern_text.h"
#include "support/analysis.h"
#include "support/patches.h"
#include "support/rig.h"
#include "timing/forecast.h"
#include "timing/pattern_edits.h"
#include "timing/pattern_midi.h"
#include "units/key.h"
#include "units/pitch.h"

#include <QtTest>

#include <cmath>
#include <random>

using namespace lariat;
using namespace lariat::test;

namespace {

constexpr double kPulse = 0.1; ///< seconds between clock pulses of the rig

std::vector<Pulse> pulsesOf(int count) {
    std::vector<Pulse> out;
    for (int i = 0; i < count; ++i) out.push_back({0.01 + i * kPulse, 0.02 + i * kPulse});
    return out;
}

Steps notesOf(const char* words) {
    return *readSteps(words);
}

/// A voice whose notes are open for `gate` of a 16th, under a contour with these stages; the patch's clock at `tempo`.
Patch voiceWith(double gate, double tempo, double attack, double decay, double release, double sustain = 50.0) {
    PatchMaker maker;
    maker.voice();
    Patch patch = maker.knob("clock", "tempo", tempo)
                      .knob("contour", "attack", attack)
                      .knob("contour", "decay", decay)
                      .knob("contour", "release", release)
                      .knob("contour", "sustain", sustain)
                      .make();
    Pattern pattern = *patch.pattern("tracks");
    for (Step& step : pattern.tracks.front().steps) step.gate = gate;
    return *applyEdit(patch, SetPattern{pattern});
}

Responses responsesIn(const Patch& patch, const ResponseOptions& options = {}) {
    auto made = responsesOf(patch, workspace().library, "tracks", options);
    if (!made) throw std::runtime_error(made.error().text());
    return std::move(*made);
}

const ContourResponse& contourIn(const Responses& responses, const std::string& post = "contour") {
    return *std::ranges::find(responses.contours, post, &ContourResponse::post);
}

} // namespace

class TimingTest : public QObject {
    Q_OBJECT

  private Q_SLOTS:
    void wordsAreReadBackAsTheyWereWritten() {
        std::mt19937 dice(5);
        const auto roll = [&](int sides) { return static_cast<int>(dice() % static_cast<unsigned>(sides)); };
        for (int round = 0; round < 300; ++round) {
            Steps steps(static_cast<std::size_t>(1 + roll(64)));
            for (Step& step : steps) {
                step.kind = static_cast<Step::Kind>(roll(3));
                step.note = roll(2) == 0 ? 60 : roll(128);
                step.gate = roll(3) == 0 ? usualGate(step.kind) : (1 + roll(100)) / 100.0;
                step.accent = roll(2) == 0;
                step.slide = roll(2) == 0;
                step.velocity = 1 + roll(127);
                step.cv = roll(2) == 0 ? 0.0 : (roll(200) - 100) / 10.0;
                step.probability = roll(101) / 100.0;
                step.repeats = 1 + roll(8);
                step.late = roll(91) / 100.0;
            }
            const auto again = readSteps(writeSteps(steps));
            QVERIFY2(again.has_value(), writeSteps(steps).c_str());
            QCOMPARE(again->size(), steps.size());
            for (std::size_t i = 0; i < steps.size(); ++i) {
                QVERIFY(std::abs((*again)[i].late - steps[i].late) < 1e-9);
                QVERIFY(std::abs((*again)[i].probability - steps[i].probability) < 1e-9);
                Step exact = (*again)[i];
                exact.late = steps[i].late;
                exact.probability = steps[i].probability;
                QVERIFY2(exact == steps[i], writeStep(steps[i]).c_str());
            }
        }
    }

    void wordsAreForgiving() {
        QCOMPARE(notesOf("d3 . f3~ - c4! =").size(), 6u);
        QCOMPARE(writeSteps(notesOf("d3 . f3~ - c4! =")), std::string("D3 - F3,~ - C4! ="));
        QCOMPARE(notesOf("d3*3 -*2").size(), 5u);
        QVERIFY(notesOf("d3!~,0.25,v90").front() ==
                (Step{Step::Kind::Note, 50, 0.25, true, 90, 0.0, true, 1.0, 1, 0.0}));
        QCOMPARE(writeHits(*readHits("x..X|x.")), std::string("x..X x."));
    }

    void whatIsNoStepIsSaid_data() {
        QTest::addColumn<QString>("words");
        QTest::addColumn<QString>("said");
        QTest::newRow("no note") << "d3 h3"
                                 << "step 2: \"h3\" is not a step";
        QTest::newRow("gate") << "d3,1.5"
                              << "gate \"1.5\" should lie above 0";
        QTest::newRow("nan") << "d3,nan"
                             << "gate \"nan\" should lie above 0";
        QTest::newRow("chance") << "d3,p120"
                                << "chance from 0 to 100 per cent";
        QTest::newRow("late") << "d3,+95"
                              << "delay from 0 to 90 per cent of the step";
        QTest::newRow("none") << "   "
                              << "there is no step";
        QTest::newRow("many") << "d3*64 d3"
                              << "there are 65 steps, 1 to 64 are possible";
        QTest::newRow("times") << "d3*0"
                               << "behind * should stand how often";
        QTest::newRow("only marks") << "!"
                                    << "is not a step";
    }
    void whatIsNoStepIsSaid() {
        QFETCH(QString, words);
        QFETCH(QString, said);
        const auto read = readSteps(words.toStdString());
        QVERIFY(!read);
        QVERIFY2(QString::fromStdString(read.error().reason.str()).contains(said), read.error().reason.str().c_str());
    }

    void swingMovesEveryOtherStep() {
        Pattern pattern{"p", {}, {{"l", hits("xxxx"), Stride{.swing = 0.66}}}};
        Rig rig("track-sequencer");
        rig.pattern(pattern).pulses("clock", pulsesOf(9)).run(1.0);
        const auto& edges = rig.rising("drum-1");
        QVERIFY(edges.size() >= 8);
        // The first interval is not known yet at the second pulse but by that pulse itself.
        for (std::size_t i = 2; i < 8; ++i) {
            const double wanted = 0.01 + static_cast<double>(i) * kPulse + (i % 2 == 1 ? 0.32 * kPulse : 0.0);
            QVERIFY2(std::abs(edges[i] - wanted) < 2e-5, qPrintable(QString::number(edges[i] - wanted)));
        }
    }

    void tripletsPutThreeStepsIntoTwo() {
        Pattern pattern{"p", {}, {{"l", hits("xxx"), Stride{.triplets = true}}}};
        Rig rig("track-sequencer");
        rig.pattern(pattern).pulses("clock", pulsesOf(9)).run(1.0);
        std::vector<double> edges;
        for (const double edge : rig.rising("drum-1"))
            if (edge > 0.2) edges.push_back(edge); // the first two pulses only tell how long one is
        for (std::size_t i = 0; i + 1 < 6; ++i)
            QVERIFY2(std::abs(edges[i] - (0.21 + static_cast<double>(i) * kPulse * 2.0 / 3.0)) < 2e-5,
                     qPrintable(QString::number(edges[i])));
        QCOMPARE(pulsesOf(Stride{.triplets = true}, 3), 2L);
        QCOMPARE(pulsesOf(Stride{.triplets = true}, 4), 8L);
    }

    /// A clock that becomes faster: steps that have not come yet are passed over, and the line stays together.
    void stepsBetweenPulsesGiveWayToPulses() {
        Pattern pattern{"p", {}, {{"l", hits("x..x.."), Stride{.triplets = true}}, {"m", hits("x...")}}};
        std::vector<Pulse> pulses;
        double at = 0.01;
        for (int i = 0; i < 24; ++i) {
            pulses.push_back({at, at + 0.004});
            at += i < 8 ? 0.1 : 0.04;
        }
        Rig rig("track-sequencer");
        rig.pattern(pattern).pulses("clock", pulses).run(2.0);
        // Six steps are four pulses: both begin together every four.
        for (const double edge : rig.rising("drum-2")) {
            const auto& others = rig.rising("drum-1");
            QVERIFY2(std::ranges::any_of(others, [&](double other) { return std::abs(other - edge) < 1e-5; }),
                     qPrintable(QString::number(edge)));
        }
    }

    void aLateNoteComesLateAndEndsInItsStep() {
        Pattern pattern{"p", {{"t", notesOf("c4,0.9,+50 - e4,0.25 -")}}, {}};
        Rig rig("track-sequencer");
        rig.pattern(pattern).pulses("clock", pulsesOf(9)).run(0.9);
        const auto& on = rig.rising("gate-1");
        const auto& off = rig.falling("gate-1");
        // In the second round: late by half a step, and open only for the half that is left.
        QVERIFY(std::ranges::any_of(on, [](double t) { return std::abs(t - (0.41 + 0.05)) < 2e-5; }));
        QVERIFY(std::ranges::any_of(off, [](double t) { return std::abs(t - (0.41 + 0.1)) < 2e-5; }));
        QVERIFY(std::ranges::any_of(on, [](double t) { return std::abs(t - 0.61) < 2e-5; }));
        // Its pitch comes with it, not before.
        const auto volts = [&](double t) {
            return static_cast<double>(rig.out("pitch-1")[static_cast<std::size_t>(t * 96000)]);
        };
        QVERIFY(std::abs(volts(0.45) - 4.0 / 12.0) < 1e-4);
        QVERIFY(std::abs(volts(0.47)) < 1e-4);
    }

    void hitsWithoutAccentAreLowerInALaneWithOne() {
        Pattern pattern{"p", {}, {{"a", hits("xX")}, {"b", hits("xx")}}};
        Rig rig("track-sequencer");
        rig.pattern(pattern).pulses("clock", pulsesOf(4)).run(0.4);
        const auto volts = [&](const char* jack, double t) {
            return static_cast<double>(rig.out(jack)[static_cast<std::size_t>(t * 96000)]);
        };
        QCOMPARE(volts("drum-1", 0.012), 5.0);
        QCOMPARE(volts("drum-1", 0.112), 8.0);
        QCOMPARE(volts("drum-2", 0.012), 8.0);
    }

    /// What goes out as MIDI comes back the same: notes, gates, ties, velocities, and how late they are.
    void stepsSurviveMidi() {
        const Track track{"t", notesOf("d3,0.4 - f3,0.75,v90 c4,0.9 = = g3,0.25,+50 - a3,0.5 -*7"), {}, {}};
        const Performance played = performanceOf(track, 120.0);
        QCOMPARE(played.lengthBeats, 4.0);
        StepsFromMidi how;
        how.quantize = 0;
        const Steps back = stepsFrom(played, how);
        for (std::size_t i = 0; i < track.steps.size(); ++i) {
            QVERIFY2(back[i].kind == track.steps[i].kind, qPrintable(QString::number(i)));
            if (track.steps[i].kind != Step::Kind::Note) continue;
            QCOMPARE(back[i].note, track.steps[i].note);
            QCOMPARE(back[i].velocity, track.steps[i].velocity);
            QVERIFY(std::abs(back[i].late - track.steps[i].late) < 0.011);
            QVERIFY2(std::abs(back[i].gate - track.steps[i].gate) < 0.011, qPrintable(QString::number(back[i].gate)));
        }
    }

    void hitsSurviveMidi() {
        const Lane lane{"l", hits("x..X x.x. .... x..."), {}, {}};
        QCOMPARE(writeHits(hitsFrom(performanceOf(lane, 36, 120.0), {})), writeHits(lane.hits));
        StepsFromMidi other;
        other.note = 38;
        QVERIFY(std::ranges::all_of(hitsFrom(performanceOf(lane, 36, 120.0), other),
                                    [](Hit hit) { return hit == Hit::Rest; }));
    }

    void linesAreTurnedReversedAndThinned() {
        const Hits line = hits("xxxx....");
        QCOMPARE(writeHits(rotated(line, {}, 1)), std::string(".xxx x..."));
        QCOMPARE(writeHits(rotated(line, {}, -1)), std::string("xxx. ...x"));
        QCOMPARE(writeHits(rotated(line, {}, 8)), writeHits(line));
        QCOMPARE(writeHits(rotated(line, {0, 1, 4}, 1)), std::string(".xxx x...")); // only those three change places
        QCOMPARE(writeHits(reversed(line, {})), std::string("...."
                                                            " xxxx"));
        QCOMPARE(writeHits(thinned(line, {})), std::string("x.x. ...."));
        QCOMPARE(writeHits(duplicated(hits("xX."), {1, 2})), std::string("xX.X ."));
        QCOMPARE(writeHits(pasted(hits("...."), 2, hits("xxx"))), std::string("..xx"));
        QCOMPARE(writeHits(lengthened(hits("x."), 5)), std::string("x.x. x"));
        QCOMPARE(writeHits(cleared(line, {1, 2})), std::string("x..x ...."));
        QCOMPARE(duplicated(Hits(64, Hit::Hit), {}).size(), kMaxSteps);
        QCOMPARE(differing(hits("xx.x"), hits("x..")), (std::set<int>{1, 3}));
    }

    void notesMoveBySemitonesOrAlongTheKey() {
        const Steps line = notesOf("d3 - f3 b3");
        QCOMPARE(writeSteps(transposed(line, {}, 12)), std::string("D4 - F4 B4"));
        QCOMPARE(writeSteps(transposed(line, {2}, 1)), std::string("D3 - F♯3 B3"));
        const auto minor = parseKey("D minor");
        QVERIFY(minor.has_value());
        QCOMPARE(writeSteps(movedInKey(line, {}, *minor, 1)), std::string("E3 - G3 C4")); // B is not in it, C is next
        QCOMPARE(writeSteps(movedInKey(line, {}, *minor, -1)), std::string("C3 - E3 B♭3"));
        QVERIFY(!minor->has(59) && minor->has(58));
        QCOMPARE(parseKey("F♯ dorian")->root, 6);
        QVERIFY(!parseKey("D smiling") && !parseKey("") && !parseKey("minor"));
        const Steps uneven = humanized(notesOf("d3*8"), {}, 7);
        QVERIFY(uneven != notesOf("d3*8"));
        QVERIFY(uneven == humanized(notesOf("d3*8"), {}, 7));
    }

    void variationsAndLinesAreWrittenAsTheyAreNeeded() {
        Pattern pattern{"p", {{"lead", notesOf("d3 f3")}}, {}};
        trackAt(pattern, 2, 0).steps = notesOf("a3 a3");
        QCOMPARE(pattern.others.size(), 2u);
        QVERIFY(pattern.tracksOf(1).front().steps == notesOf("d3 f3"));
        QVERIFY(pattern.tracksOf(2).front().steps == notesOf("a3 a3"));
        laneAt(pattern, 0, 1).hits = hits("x...");
        for (int v = 0; v < 3; ++v) QCOMPARE(pattern.lanesOf(v).size(), 2u);
        const auto with = withLine(pattern, {"p", false, 0}, 1, "c4 = -");
        QVERIFY(with.has_value());
        QCOMPARE(lineText(*with, {"p", false, 0}, 1), std::string("C4 = -"));
        QCOMPARE(lineText(*with, {"p", false, 0}, 0), std::string("D3 F3"));
    }

    void whatTheModuleCannotHoldIsSaid() {
        const Patch patch = lamp();
        const auto sequencer = sequencerOf(patch, workspace().library, "tracks");
        QVERIFY(sequencer.has_value());
        QCOMPARE(sequencer->tracks, 2);
        QCOMPARE(sequencer->lanes, 4);
        QCOMPARE(sequencer->variations, 8);
        Pattern pattern = *patch.pattern("tracks");
        QVERIFY(tooMuchFor(*sequencer, pattern).empty());
        laneAt(pattern, 0, 4);
        QCOMPARE(tooMuchFor(*sequencer, pattern).str(), std::string("5 lanes are written, this module has 4"));
    }

    /// What a sequencer tells stands where it stands whatever the panel shows.
    void stepsAreToldWhereTheBlockTellsThem() {
        const auto tracks = sequencerOf(lamp(), workspace().library, "tracks");
        QCOMPARE(toldAt(*tracks, {"tracks", false, 1}), std::size_t{1});
        QCOMPARE(toldAt(*tracks, {"tracks", true, 2}), std::size_t{6});
        PatchMaker maker("tower-case");
        maker.post("rain", "rain", "pattern").post("steps", "ratline", "steps");
        const Patch others = maker.make();
        QCOMPARE(toldAt(*sequencerOf(others, workspace().library, "rain"), {"rain", true, 0}), std::size_t{0});
        QCOMPARE(toldAt(*sequencerOf(others, workspace().library, "steps"), {"steps", false, 0}), std::size_t{0});
        // A panel that shows one lane only: its steps are still behind those of four tracks.
        Sequencer oneLane = *tracks;
        std::erase_if(oneLane.lines, [](const SequencerLine& line) { return line.at.index > 0 || !line.at.lane; });
        QCOMPARE(oneLane.lines.size(), std::size_t{1});
        QCOMPARE(toldAt(oneLane, oneLane.lines[0].at), std::size_t{4});
    }

    void aCycleIsTheLeastThatAllLinesDivide() {
        Pattern pattern{"p", {{"a", Steps(5)}, {"b", Steps(7)}}, {{"c", Hits(4), Stride{.division = 2}}}};
        QCOMPARE(cycleOf(pattern, 0), 280L);
        pattern.tracks[0].stride.direction = Direction::Pendulum;
        QCOMPARE(cycleOf(pattern, 0), 56L);
    }

    void linesAreFoundThroughWhatPassesGatesOn() {
        PatchMaker maker("tower-case");
        maker.timing().post("contour", "lantern-a", "1").post("mult", "splice-a", "mult");
        maker.tie("tracks.drum-1", "mult.in").tie("mult.out-2", "contour.gate");
        const auto line = lineBehind(maker.make(), workspace().library, jackRef("contour.gate"));
        QVERIFY(line.has_value());
        QVERIFY(*line == (LineRef{"tracks", true, 0}));
    }

    void sustainIsReachedWhenTheGateIsLongEnough_data() {
        QTest::addColumn<double>("tempo");
        for (const double tempo : {42.0, 61.0, 75.0, 88.0, 99.0, 101.0, 112.0, 131.0, 170.0, 238.0})
            QTest::addRow("%g BPM", tempo) << tempo;
    }
    /// A gate of 60 % of a 16th is 9 s / tempo; attack and decay are 90 ms: reached up to 100 BPM. Tails of 70 ms end
    /// in the 40 % that are left up to 85.7 BPM.
    void sustainIsReachedWhenTheGateIsLongEnough() {
        QFETCH(double, tempo);
        const double gate = 9.0 / tempo;
        const double left = 6.0 / tempo;
        const Responses made = responsesIn(voiceWith(0.6, tempo, 0.01, 0.08, 0.07));
        const ContourResponse& contour = contourIn(made);
        QCOMPARE(contour.strikes.size(), 4u);
        QVERIFY(std::abs(made.pulseSeconds - 15.0 / tempo) < 1e-6);
        for (const Strike& strike : contour.strikes) {
            QVERIFY2(std::abs(strike.open - gate) < 2e-5, qPrintable(QString::number(strike.open - gate)));
            QCOMPARE(strike.held, gate >= 0.09);
            const double missing = std::max(0.0, 0.09 - gate);
            QVERIFY2(std::abs(strike.missing - missing) < 6e-5, qPrintable(QString::number(strike.missing - missing)));
            const double over = std::max(0.0, 0.07 - left);
            QVERIFY2(std::abs(strike.over - over) < 6e-5, qPrintable(QString::number(strike.over - over)));
        }
        for (int step = 0; step < 4; ++step)
            QVERIFY(std::ranges::any_of(
                contour.strikes, [&](const Strike& s) { return s.step == step && std::abs(s.pulse - step) < 1e-3; }));
    }

    /// A gate that closes within the attack misses what is left of it, and the whole decay.
    void aGateThatEndsInTheAttackMissesBoth() {
        const ContourResponse contour = contourIn(responsesIn(voiceWith(0.6, 120.0, 0.2, 0.1, 0.02)));
        for (const Strike& strike : contour.strikes)
            QVERIFY2(std::abs(strike.missing - (0.2 + 0.1 - 0.075)) < 6e-5,
                     qPrintable(QString::number(strike.missing)));
    }

    /// Struck again while the gate holds it, a contour would still have had its whole release before it.
    void aStrikeInTheHoldCutsOffTheWholeRelease() {
        for (const auto& [type, left] : {std::pair{0.0, 0.3}, {1.0, 0.3}, {3.0, 0.05 + 0.3}}) {
            Rig rig("contour");
            rig.set("type", type).set("attack", 0.01).set("decay", type == 3.0 ? 0.15 : 0.05).set("release", 0.3);
            rig.pulses("gate", {{0.01, 0.9}}).pulses("retrigger", {{0.12, 0.13}}).run(0.13);
            const Told told = rig.told();
            QCOMPARE(told[2], 2); // struck twice
            QVERIFY2(std::abs(told[6] - 1e6 * left) < 60.0,
                     qPrintable(QStringLiteral("type %1: %2").arg(type).arg(told[6])));
        }
    }

    void theLevelAtTheEndOfAGateIsTheCurves() {
        // Straight stages: after 10 ms of attack the decay falls from 8 V to 4 V in 80 ms.
        Patch patch = voiceWith(0.6, 150.0, 0.01, 0.08, 0.02);
        patch = *applyEdit(patch, SetKnob{"contour", "curve", 0.0});
        const ContourResponse contour = contourIn(responsesIn(patch));
        for (const Strike& strike : contour.strikes)
            QVERIFY2(std::abs(static_cast<double>(strike.atClose) - (8.0 - 4.0 * (0.06 - 0.01) / 0.08)) < 0.01,
                     qPrintable(QString::number(static_cast<double>(strike.atClose))));
        QVERIFY(std::abs(static_cast<double>(contour.sustain) - 4.0) < 1e-3);
    }

    /// A contour that finishes its stages after a short gate reaches sustain, whatever the gate.
    void aShortGateThatIsFinishedIsNotTooShort() {
        Patch patch = voiceWith(0.3, 120.0, 0.01, 0.05, 0.02);
        QCOMPARE(contourIn(responsesIn(patch)).notHeld(), 4);
        patch = *applyEdit(patch, SetKnob{"contour", "short-gate", 1.0});
        const ContourResponse contour = contourIn(responsesIn(patch));
        QCOMPARE(contour.notHeld(), 0);
        QCOMPARE(contour.strikes.front().missing, 0.0);
    }

    void factsSpeakOfTheirSteps() {
        Patch patch = voiceWith(0.9, 120.0, 0.01, 0.05, 0.02);
        Pattern pattern = *patch.pattern("tracks");
        pattern.tracks.front().steps[2].gate = 0.2;
        patch = *applyEdit(patch, SetPattern{pattern});
        const ContourResponse contour = contourIn(responsesIn(patch));
        const auto fact = std::ranges::find(contour.facts, Fact::Kind::Sustain, &Fact::kind);
        QVERIFY(fact != contour.facts.end() && fact->bad);
        QCOMPARE(fact->steps, std::set<int>{2});
        QCOMPARE(fact->text.str(), std::string("sustain reached on 3 of 4 notes, 35 ms short"));
    }

    void aForecastFindsTheTempo() {
        figure("forecast", "tempos at which something changes within 0.1 BPM of the closed form");
        const auto made = forecastOf(voiceWith(0.6, 120.0, 0.01, 0.08, 0.07), workspace().library, "tracks");
        QVERIFY(made);
        for (const Forecast& forecast : *made) { // the longer stage before sustain; the one that ends the tail
            QCOMPARE(forecast.knob, std::string(forecast.kind == Fact::Kind::Sustain ? "decay" : "release"));
            QVERIFY(forecast.mover.str().find(forecast.kind == Fact::Kind::Sustain ? "Decay" : "Release") !=
                    std::string::npos);
        }
        QVERIFY(made.has_value());
        QCOMPARE(made->size(), 2u);
        const Forecast& sustain = made->front();
        QVERIFY(sustain.kind == Fact::Kind::Sustain && !sustain.holdsNow);
        QCOMPARE(sustain.spans.size(), 1u);
        QVERIFY2(std::abs(sustain.spans.front().second - 100.0) < 0.1,
                 qPrintable(QString::number(sustain.spans.front().second)));
        const Forecast& tail = made->back();
        QVERIFY2(std::abs(tail.spans.front().second - 6.0 / 0.07) < 0.1,
                 qPrintable(QString::number(tail.spans.front().second)));
        QVERIFY(sustain.text.str().find("up to 9") != std::string::npos ||
                sustain.text.str().find("up to 100") != std::string::npos);
    }

    void aFitJustReaches() {
        figure("fit to step", "stage times within 0.3 % of the closed form");
        const Patch patch = voiceWith(0.6, 120.0, 0.01, 0.2, 0.3);
        const Library& library = workspace().library;
        const auto decay = fitToStep(patch, library, "tracks", "contour", Fit::ReachSustain);
        QVERIFY(decay.has_value());
        QCOMPARE(decay->knob, std::string("decay"));
        QVERIFY2(std::abs(decay->value - 0.065) < 0.0002, qPrintable(QString::number(decay->value))); // 75 ms less 10
        QCOMPARE(contourIn(responsesIn(*applyEdit(patch, *decay))).notHeld(), 0);
        const auto release = fitToStep(patch, library, "tracks", "contour", Fit::EndBeforeNext);
        QVERIFY(release.has_value());
        QCOMPARE(release->knob, std::string("release"));
        QVERIFY2(std::abs(release->value - 0.05) < 0.0006, qPrintable(QString::number(release->value)));
        QVERIFY(contourIn(responsesIn(*applyEdit(patch, *release))).cutOff() == 0);
    }

    void aFitToOneStepLooksAtThatOne() {
        Patch patch = voiceWith(0.9, 120.0, 0.01, 0.2, 0.02);
        Pattern pattern = *patch.pattern("tracks");
        pattern.tracks.front().steps[1].gate = 0.4; // 50 ms
        patch = *applyEdit(patch, SetPattern{pattern});
        const auto one = fitToStep(patch, workspace().library, "tracks", "contour", Fit::ReachSustain, 1);
        const auto all = fitToStep(patch, workspace().library, "tracks", "contour", Fit::ReachSustain, 0);
        QVERIFY(one && all);
        QVERIFY(std::abs(one->value - 0.04) < 0.0002);
        QVERIFY(std::abs(all->value - (0.1125 - 0.01)) < 0.0004);
    }

    void whatCannotBeFittedIsSaid() {
        const auto attack = fitToStep(voiceWith(0.2, 120.0, 0.5, 0.2, 0.3), workspace().library, "tracks", "contour",
                                      Fit::ReachSustain);
        QVERIFY(!attack);
        QVERIFY(attack.error().reason.str().find("attack is longer than the gate") != std::string::npos);
        Patch locked = voiceWith(0.6, 120.0, 0.01, 0.2, 0.3);
        locked = *applyEdit(locked, DescribeKnob{"contour", "decay", "", true});
        const auto held = fitToStep(locked, workspace().library, "tracks", "contour", Fit::ReachSustain);
        QVERIFY(!held && held.error().reason.str().find("is locked") != std::string::npos);
    }

    /// What a quantizer makes of a track, against the nearest note of its scale by hand: with a mult on the way,
    /// transposed, and in a tuning that lies beside equal temperament.
    void whatAQuantizerMakesOfATrack() {
        PatchMaker maker("tower-case");
        maker.voice().post("quantizer", "compass", "quantizer").post("mult", "splice-a", "mult");
        maker.tie("tracks.pitch-2", "mult.in").tie("mult.out-1", "quantizer.in-1");
        Patch patch = maker.knob("quantizer", "scale", 0).knob("quantizer", "root", 2).make();
        for (int note = 0; note < 12; ++note) // D F A, of the root on: 0, 3, 7
            patch = *applyEdit(patch, SetKnob{"quantizer", "note-" + std::to_string(note),
                                              note == 0 || note == 3 || note == 7 ? 1.0 : 0.0});
        patch = *applyEdit(patch, SetPattern{*withLine(*patch.pattern("tracks"), {"tracks", false, 1}, 0,
                                                       "c4 d4 - e4 g4,0.9 = b4 d5")});
        const Responses plain = responsesIn(patch);
        QCOMPARE(plain.tunes.size(), std::size_t{1});
        QCOMPARE(plain.tunes[0].path.line, (LineRef{"tracks", false, 1}));
        // Steps that are notes, what they are, and the nearest of D F A by hand; a tie's and a rest's are not said.
        const struct {
            int step, from, to;
        } wanted[] = {{0, 60, 62}, {1, 62, 62}, {3, 64, 65}, {4, 67, 65}, {6, 71, 69}, {7, 74, 74}};
        QCOMPARE(plain.tunes[0].notes.size(), std::size(wanted));
        for (std::size_t i = 0; i < std::size(wanted); ++i) {
            const TunedNote& note = plain.tunes[0].notes[i];
            QCOMPARE(note.step, wanted[i].step);
            QVERIFY2(note.pulse > note.step - 1e-3 && note.pulse < note.step + 0.02,
                     qPrintable(QString::number(note.pulse)));
            QVERIFY(std::abs(note.until - note.pulse - (note.step == 4 ? 2.0 : 1.0)) < 0.02); // the tie goes on
            QVERIFY(std::abs(static_cast<double>(note.wanted) - noteToVolts(wanted[i].from).value) < 1e-3);
            QVERIFY2(std::abs(static_cast<double>(note.given) - noteToVolts(wanted[i].to).value) < 1e-3,
                     qPrintable(QString::number(static_cast<double>(note.given))));
            QCOMPARE(QString::fromStdString(note.text()), QString::fromStdString(noteName(wanted[i].to)));
        }
        QCOMPARE(plain.tunes[0].facts.front().text.str(), std::string("moves 4 of 6 notes, by 200 ct at most"));
        QCOMPARE(plain.tunes[0].facts.front().steps, (std::set<int>{0, 3, 4, 6}));
        QCOMPARE(plain.tunes[0].facts.back().steps, (std::set<int>{0, 1, 3, 4})); // two pairs fall together

        // Up a tone and a half, all of them.
        patch = *applyEdit(patch, SetKnob{"quantizer", "transpose", 3.0});
        const Responses up = responsesIn(patch);
        for (std::size_t i = 0; i < std::size(wanted); ++i)
            QVERIFY(std::abs(up.tunes[0].notes[i].moved() - plain.tunes[0].notes[i].moved() - 300.0) < 1.0);
        // In a just minor scale the sixth over D is 8:5, which lies 13.7 ct above that of the piano.
        patch = *applyEdit(patch, SetKnob{"quantizer", "transpose", 0.0});
        std::ranges::find(patch.posts, "quantizer", &Post::id)->tuning = "just-minor";
        const Responses just = responsesIn(patch);
        QCOMPARE(just.tunes[0].notes[4].text(), std::string("B♭4 +14 ct"));
        QVERIFY(std::abs(1200.0 * static_cast<double>(just.tunes[0].notes[4].given) - 1200.0 * noteToVolts(62).value -
                         1200.0 * std::log2(8.0 / 5.0)) < 0.1);
    }

    void aSequencerWithoutAClockSaysSo() {
        PatchMaker maker;
        maker.post("tracks", "tracks", "tracks");
        const auto made = responsesOf(maker.make(), workspace().library, "tracks");
        QVERIFY(!made);
        QVERIFY(made.error().reason.str().find("nothing steps") != std::string::npos);
        QVERIFY(!responsesOf(lamp(), workspace().library, "osc-a"));
    }

    void aCancelledRunGivesNothing() {
        ResponseOptions options;
        options.progress = [](double) { return false; };
        QVERIFY(!responsesOf(lamp(), workspace().library, "tracks", options));
        QVERIFY(!forecastOf(lamp(), workspace().library, "tracks", options));
    }

    /// A line longer than the lead: what is shown begins with its first step all the same.
    void theCycleBeginsWithItsFirstStep() {
        Patch patch = voiceWith(0.5, 200.0, 0.003, 0.01, 0.01);
        Pattern pattern = *patch.pattern("tracks");
        pattern.tracks.front().steps = notesOf("c4 -*22 c4,0.9");
        patch = *applyEdit(patch, SetPattern{pattern});
        const ContourResponse contour = contourIn(responsesIn(patch));
        QCOMPARE(contour.strikes.size(), 2u);
        for (const Strike& strike : contour.strikes) QVERIFY(std::abs(strike.pulse - strike.step) < 1e-3);
    }

    void aCycleThatIsTooLongIsCut() {
        Patch patch = voiceWith(0.5, 240.0, 0.003, 0.01, 0.01);
        Pattern pattern = *patch.pattern("tracks");
        pattern.tracks.front().steps = Steps(31, Step{Step::Kind::Note, 60, 0.5});
        pattern.lanes.front().hits = Hits(17, Hit::Rest);
        patch = *applyEdit(patch, SetPattern{pattern});
        ResponseOptions options;
        options.sounds = false;
        const Responses made = responsesIn(patch, options);
        QCOMPARE(made.cycle, 527L);
        QCOMPARE(made.shown, kMostPulses);
    }

    void soundsStandBehindTheirVca() {
        const Responses made = responsesIn(lamp());
        QVERIFY(
            std::ranges::any_of(made.sounds, [](const SoundResponse& s) { return s.output == jackRef("vca-1.out"); }));
        QVERIFY(
            std::ranges::any_of(made.sounds, [](const SoundResponse& s) { return s.output == jackRef("vca-2.out"); }));
        QVERIFY(
            std::ranges::none_of(made.sounds, [](const SoundResponse& s) { return s.output.post.starts_with("osc"); }));
    }
};

QTEST_GUILESS_MAIN(TimingTest)
#include "timing_test.moc"
