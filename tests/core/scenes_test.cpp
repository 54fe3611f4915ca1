// Scenes in words, as lines over the song, live and offline; what a player would say; clocks and the reckoner.
#include "engine/automation.h"
#include "measure/measure.h"
#include "model/pattern_text.h"
#include "support/analysis.h"
#include "support/live.h"
#include "support/patches.h"
#include "timing/clocks.h"
#include "timing/reckon.h"
#include "timing/scenes.h"
#include "timing/stems.h"

#include <QtTest>

#include <cmath>
#include <random>

Q_DECLARE_METATYPE(lariat::Patch)

using namespace lariat;
using namespace lariat::test;

namespace {

const Library& library() {
    return workspace().library;
}

/// A clock at 120 BPM, and attenuverters whose offsets are volts that can be read.
Patch song() {
    PatchMaker maker;
    maker.timing().post("a", "bilge", "1").post("b", "bilge", "2").post("out", "harbour", "out");
    maker.tie("a.out", "out.left").tie("b.out", "out.right");
    return maker.knob("clock", "tempo", 120).make();
}

Patch with(const Patch& patch, const char* words) {
    auto scenes = readScenes(words, patch, library());
    if (!scenes) throw std::runtime_error(scenes.error().text());
    auto made = applyEdit(patch, SetScenes{std::move(*scenes)});
    if (!made) throw std::runtime_error(made.error().text());
    return *made;
}

std::string whyNot(const char* words) {
    const auto scenes = readScenes(words, song(), library());
    return scenes ? std::string() : scenes.error().text();
}

std::vector<float> offline(const Patch& patch, const char* jack, double seconds) {
    RenderOptions options;
    options.seconds = seconds;
    options.scenes = true;
    options.fileRate = 0.0;
    options.probes = {jackRef(jack)};
    return render(patch, library(), options)->probes.at(jackRef(jack));
}

double at(const std::vector<float>& volts, double seconds) {
    return static_cast<double>(volts[static_cast<std::size_t>(std::lround(seconds * 96000.0))]);
}

constexpr const char* kSong = "Intro: 2 bars\n"
                              "  a offset -2 V\n"
                              "  right: a offset -2 V > 4 V, bar 1 to 2\n"
                              "Swell: 1 bar x2\n"
                              "  a offset 1 V\n"
                              "  tracks variation C\n"
                              "  left: a offset 1 V > 3 V, bar 2 to 2.3\n";

bool warns(const Patch& patch, SceneWarning::Kind kind, const char* text) {
    const auto warnings = checkScenes(patch, library(), workspace().housing(patch));
    return std::ranges::any_of(warnings, [&](const SceneWarning& warning) {
        return warning.kind == kind && warning.text.str().find(text) != std::string::npos;
    });
}

std::string reckoned(const char* line, const char* what) {
    const auto made = reckon(line, {120.0, 48000.0});
    if (!made) return made.error().reason.str();
    for (const Reckoned& one : *made)
        if (one.what.str() == what) return one.value;
    return "nothing is called that";
}

} // namespace

class ScenesTest : public QObject {
    Q_OBJECT

  private Q_SLOTS:
    void wordsAreReadBackAsTheyWereWritten() {
        Patch patch = song();
        std::ranges::find(patch.posts, "a", &Post::id)->name = "Deep water";
        std::ranges::find(patch.posts, "b", &Post::id)->name = "Deep";
        const Patch made = with(patch, "Night, first: 3 bars x2\n"
                                       "  deep water offset 2.5 V\n"
                                       "  deep offset -1 V\n"
                                       "  clock tempo 96 BPM\n"
                                       "  foot: deep amount 0 % > 50 %, bar 2.3 to 4.2\n"
                                       "# nothing\n\n"
                                       "Dawn: 1 bar\n");
        QCOMPARE(made.scenes.size(), 2u);
        QCOMPARE(made.scenes[0].name, std::string("Night, first"));
        QCOMPARE(made.scenes[0].setting.at("a").at("offset"), 2.5);
        QCOMPARE(made.scenes[0].setting.at("b").at("offset"), -1.0);
        QCOMPARE(made.scenes[0].moves[0].start, 6.0);
        QCOMPARE(made.scenes[0].moves[0].beats, 7.0);
        QCOMPARE(made.scenes[0].moves[0].hand, Hand::Foot);
        const auto again = readScenes(writeScenes(made.scenes, made, library()), made, library());
        QVERIFY(again.has_value());
        QVERIFY(*again == made.scenes);
        // And so does the file.
        const auto file = readPatch(writePatch(made));
        QVERIFY(file.has_value());
        QVERIFY(file->scenes == made.scenes);
    }

    /// Two posts of one name, and one that is called as another one's id: what is written means the same when it is
    /// read.
    /// Variations in a row become scenes; what is no link of a chain is said.
    void variationsAreChained() {
        const Patch patch = demo("night-watch.json");
        const auto made = chainedVariations("A a, B4  C2x3", patch, workspace().library, "tracks", 8);
        QVERIFY2(made, made ? "" : made.error().text().c_str());
        QCOMPARE(made->size(), std::size_t{4});
        const auto is = [&](std::size_t n, const char* name, int bars, int repeats, double variation) {
            const Scene& scene = (*made)[n];
            return scene.name == name && scene.bars == bars && scene.repeats == repeats &&
                   scene.setting.at("tracks").begin()->second == variation;
        };
        QVERIFY(is(0, "A", 8, 1, 0.0) && is(1, "A", 8, 1, 0.0) && is(2, "B", 4, 1, 1.0) && is(3, "C", 2, 3, 2.0));
        QVERIFY(applyEdit(patch, SetScenes{*made}));
        for (const char* bad : {"", " , ", "Z", "A0", "A4x", "Ax0", "A300", "A1.5", "4", "A-2", "Ax99", "A nan"})
            QVERIFY2(!chainedVariations(bad, patch, workspace().library, "tracks"), bad);
        QVERIFY(!chainedVariations("A", patch, workspace().library, "clock"));
        QVERIFY(!chainedVariations("A", patch, workspace().library, "nobody"));
    }

    void postsOfOneNameAreToldApart() {
        for (const auto& [nameOfA, nameOfB] :
             {std::pair{"Twin", "Twin"}, {"b", "Other"}, {"Out", "a"}, {"TWIN", "twin"}}) {
            Patch patch = song();
            std::ranges::find(patch.posts, "a", &Post::id)->name = nameOfA;
            std::ranges::find(patch.posts, "b", &Post::id)->name = nameOfB;
            patch.scenes = {Scene{.name = "S"}};
            patch.scenes[0].setting["a"]["offset"] = 1.0;
            patch.scenes[0].setting["b"]["offset"] = -2.0;
            patch.scenes[0].moves = {{.post = "b", .knob = "offset", .from = -2.0, .to = 3.0}};
            const std::string words = writeScenes(patch.scenes, patch, library());
            const auto again = readScenes(words, patch, library());
            QVERIFY2(again.has_value(), words.c_str());
            QVERIFY2(*again == patch.scenes, words.c_str());
        }
    }

    void whatIsNoSceneIsSaid() {
        QVERIFY(whyNot("a offset 1 V").find("line 1: the first line should begin a scene") != std::string::npos);
        QVERIFY(whyNot("One: 4 bars\n  b flat 3").find("line 2") != std::string::npos);
        QVERIFY(whyNot("One: 4 bars\nnobody offset 1 V").find("begins with no post") != std::string::npos);
        QVERIFY(whyNot("One: 4 bars\na wobble 1 V").find("has no knob \"wobble 1 V\"; it has Amount, Offset") !=
                std::string::npos);
        QVERIFY(whyNot("One: 4 bars\na offset 99 V").find("is no setting of Offset") != std::string::npos);
        QVERIFY(whyNot("One: 999 bars").find("1 to 256 bars") != std::string::npos);
        QVERIFY(whyNot("One: 0 bars").find("1 to 256 bars") != std::string::npos);
        QVERIFY(whyNot("One: 4 bars x99").find("1 to 64 times") != std::string::npos);
        QVERIFY(whyNot("One: 4 bars\nleft: a offset 1 V > 2 V, bar 3 to 9").find("is no time of One") !=
                std::string::npos);
        QVERIFY(whyNot("One: 4 bars\nleft: a offset 1 V to 2 V").find("a move is written") != std::string::npos);
        QVERIFY(whyNot("One: 4 bars\nleft: a offset nan V > 2 V, bar 1 to 2").find("is no setting") !=
                std::string::npos);
    }

    /// The words of a scene are those that are in force in it, and say where the hand is all the same.
    void scenesSpeakTheWordsInForce() {
        const Patch patch = demo("four-related.json");
        const char* words = "Chords: 4 bars\n  functions mode ratios\n  functions chord 3:00\n"
                            "Fade: 4 bars\n  functions mode levels\n  functions fade 3:00\n";
        const auto scenes = readScenes(words, patch, library());
        QVERIFY2(scenes, scenes ? "" : scenes.error().text().c_str());
        const Scale& shift = library().part(*patch.post("functions"))->knob("shift")->scale;
        for (const Scene& scene : *scenes)
            QVERIFY(std::abs(shift.toFraction(scene.setting.at("functions").at("shift")) - 0.8) < 1e-9);
        const std::string written = writeScenes(*scenes, patch, library());
        QVERIFY(written.find("chord ") < written.find("Fade:") && written.find("fade ") != std::string::npos);
        QVERIFY(written.find("shift") == std::string::npos);
        // The knob's own word is understood in every mode.
        QVERIFY(readScenes("Any: 1 bar\n  functions shift 9:00\n", patch, library()));
        QVERIFY(!readScenes("Any: 1 bar\n  functions mode levels\n  functions chord 9:00\n", patch, library()));
        for (const char* file : {"four-related.json", "night-watch.json", "undertow.json", "landfall.json"}) {
            const Patch shipped = demo(file);
            const auto read = readScenes(writeScenes(shipped.scenes, shipped, library()), shipped, library());
            QVERIFY2(read, read ? "" : read.error().text().c_str());
            QCOMPARE(read->size(), shipped.scenes.size());
            for (std::size_t n = 0; n < read->size(); ++n)
                for (const auto& [post, knobs] : shipped.scenes[n].setting)
                    for (const auto& [knob, value] : knobs)
                        QVERIFY(std::abs((*read)[n].setting.at(post).at(knob) - value) <=
                                0.01 * std::abs(value) + 1e-6);
        }
    }

    void linesThatAreHostileAreRefused() {
        QVERIFY(whyNot((std::string("One: 4 bars\n") + std::string(5000, 'a')).c_str()).find("longer than 300") !=
                std::string::npos);
        std::string many;
        for (int i = 0; i < 70; ++i) many += "S: 1 bar\n";
        QVERIFY(whyNot(many.c_str()).find("more than 64 scenes") != std::string::npos);
        auto patch = song();
        patch.scenes = {
            Scene{.name = "S", .bars = 1, .moves = {{.post = "a", .knob = "offset", .start = 3.0, .beats = 4.0}}}};
        QVERIFY(!applyEdit(song(), SetScenes{patch.scenes}));
        QVERIFY(!readPatch(writePatch(patch)));
    }

    /// At 120 BPM a bar is 2 s. Intro: from -2 V to +4 V over its first bar. Swell: 1 V, then in its second bar to 3 V
    /// within two beats.
    void knobsFollowTheSong() {
        figure("scenes",
               "moves on their line within 1 mV at every sample that was looked at, 0.67 ms behind where one begins");
        const Patch patch = with(song(), kSong);
        const auto volts = offline(patch, "a.out", 9.0);
        for (double t = 0.05; t < 1.99; t += 0.01) {
            const double wanted = -2.0 + 6.0 * t / 2.0;
            QVERIFY2(std::abs(at(volts, t) - wanted) < 0.003,
                     qPrintable(QStringLiteral("%1 s: %2").arg(t).arg(at(volts, t) - wanted)));
        }
        // And from sample to sample it is one line, with no stair at the end of a run.
        for (auto i = static_cast<std::size_t>(0.05 * 96000.0); i < static_cast<std::size_t>(1.95 * 96000.0); ++i)
            QVERIFY2(std::abs(static_cast<double>(volts[i] - volts[i - 1]) - 3.0 / 96000.0) < 1.5e-5,
                     qPrintable(QString::number(i)));
        QVERIFY(std::abs(at(volts, 3.0) - 4.0) < 1e-4);
        QVERIFY(std::abs(at(volts, 4.2) - 1.0) < 1e-3); // set, smoothly, within some 20 ms
        QVERIFY(std::abs(at(volts, 5.9) - 1.0) < 1e-4);
        QVERIFY(std::abs(at(volts, 6.5) - 2.0) < 0.003);
        QVERIFY(std::abs(at(volts, 7.5) - 3.0) < 1e-4);
        QVERIFY(std::abs(at(volts, 8.9) - 3.0) < 1e-4); // the song is over, the knob stays
    }

    void aSceneThatIsPlayedTwiceTakesTwiceAsLong() {
        const auto volts =
            offline(with(song(), "A: 1 bar x2\n  a offset 0 V\nB: 1 bar\n  a offset 3 V\n"), "a.out", 5.0);
        QVERIFY(std::abs(at(volts, 3.9)) < 1e-4);
        QVERIFY(std::abs(at(volts, 4.3) - 3.0) < 1e-3);
    }

    void withoutScenesNothingMoves() {
        RenderOptions options;
        options.seconds = 3.0;
        options.fileRate = 0.0;
        options.probes = {jackRef("a.out")};
        const Patch patch = with(song(), kSong);
        const auto volts = render(patch, library(), options)->probes.at(jackRef("a.out"));
        QVERIFY(std::ranges::all_of(volts, [&](float v) { return v == volts.front(); }));
    }

    void switchesChangeWithTheirScene() {
        Patch patch = song();
        Pattern pattern = *patch.pattern("tracks");
        pattern.others = {{pattern.tracks, pattern.lanes, {}}, {pattern.tracks, pattern.lanes, {}}};
        for (Step& step : pattern.others[1].tracks[0].steps) step.note = 84;
        patch = with(*applyEdit(patch, SetPattern{pattern}), kSong);
        const auto volts = offline(patch, "tracks.pitch-1", 7.0);
        QVERIFY(std::abs(at(volts, 3.9) - 2.0) > 0.1);
        QVERIFY(std::abs(at(volts, 4.7) - 2.0) < 1e-3); // variation C from the next start of the line on
    }

    void theTempoIsAKnobToo() {
        const Patch patch = with(song(), "Slow: 1 bar\n  clock tempo 60 BPM\nFast: 1 bar\n  clock tempo 240 BPM\n");
        const auto pulses = risingEdges(offline(patch, "clock.beat", 6.0), 96000.0);
        QVERIFY(pulses.size() > 8);
        QVERIFY(std::abs(pulses[2] - pulses[1] - 1.0) < 0.01);
        QVERIFY(std::abs(pulses[7] - pulses[6] - 0.25) < 0.01);
    }

    /// Without hands a scene presses a button: the contour is held open for as long as the scene wants.
    void aScenePressesAButton() {
        const Patch patch = with(demo("sync-lead.json"),
                                 "Played: 1 bar\nHeld: 1 bar\n  level gate down\nLet go: 1 bar\n  level gate up\n");
        const auto volts = offline(patch, "level.out", 6.4);
        const double bar = 4 * 60.0 / 112.0;
        const auto lowest = [&](double from, double to) {
            const auto span = part(volts, from, to);
            return static_cast<double>(*std::ranges::min_element(span));
        };
        QVERIFY(lowest(0.3, bar - 0.05) < 5.0);                            // notes come and go
        QVERIFY(std::abs(lowest(bar + 0.3, 2 * bar - 0.01) - 5.6) < 0.01); // its sustain
        QVERIFY(lowest(2 * bar + 0.3, 3 * bar - 0.05) < 5.0);
    }

    void liveEqualsOffline_data() {
        QTest::addColumn<Patch>("patch");
        QTest::addColumn<QString>("jack");
        QTest::newRow("knobs and switches") << with(song(), kSong) << QStringLiteral("a.out");
        // A knob that points at chords in one mode and fades in another, moved in both.
        QTest::newRow("a knob with several uses")
            << with(demo("four-related.json"), "Chords: 1 bar\n"
                                               "  function related by ratios\n"
                                               "  right: function shift 10 % > 60 %, bar 1 to 1.4\n"
                                               "Fade: 1 bar\n"
                                               "  function related by levels\n"
                                               "  right: function shift 0 % > 80 %, bar 1.2 to 1.4\n")
            << QStringLiteral("functions.related-3");
    }
    void liveEqualsOffline() {
        QFETCH(Patch, patch);
        QFETCH(QString, jack);
        Engine engine({}, 96000.0);
        engine.setScenes(true);
        engine.setPatch(patch, library());
        const std::string word = jack.toStdString();
        const auto tap = engine.watch(jackRef(word), {1u << 20, 64}, library());
        const auto first = static_cast<std::size_t>(8.0 * 96000.0);
        played(engine, first, kRun);
        const auto expected = offline(patch, word.c_str(), 8.0);
        const auto live = tap->samples(first);
        QCOMPARE(live.size(), first);
        for (std::size_t i = 0; i < first; ++i)
            QVERIFY2(live[i] == expected[i], qPrintable(QStringLiteral("sample %1: %2 live, %3 offline")
                                                            .arg(i)
                                                            .arg(static_cast<double>(live[i]))
                                                            .arg(static_cast<double>(expected[i]))));
    }

    void rewindBeginsTheSongAnew() {
        const Patch patch = with(song(), kSong);
        Engine engine({}, 96000.0);
        engine.setScenes(true);
        engine.setPatch(patch, library());
        const auto tap = engine.watch(jackRef("a.out"), {1u << 18, 64}, library());
        played(engine, static_cast<std::size_t>(5.0 * 96000.0), kRun);
        engine.rewind();
        played(engine, static_cast<std::size_t>(1.0 * 96000.0), kRun);
        QVERIFY2(std::abs(static_cast<double>(tap->samples(1).back()) - 1.0) < 0.01,
                 qPrintable(QString::number(static_cast<double>(tap->samples(1).back()))));
    }

    /// Ten minutes on, a move begins and ends where it should: the song's beats do not drift.
    void itIsExactAfterTenMinutes() {
        Patch patch =
            with(song(), "Long: 256 bars\n  a offset -2 V\nMore: 50 bars\n  left: a offset -2 V > 4 V, bar 45 to 46\n");
        auto renderer =
            Renderer::make(patch, library(), {.rate = 48000.0, .probes = {jackRef("a.out")}, .scenes = true});
        QVERIFY(renderer.has_value());
        const double begin = 2.0 * (256 + 44); // seconds: 10 minutes
        double worst = 0.0;
        std::size_t run = 0;
        renderer->run(begin + 2.5, [&](const RunView& view) {
            const double t = static_cast<double>(run++) * kRun / 48000.0;
            if (t < begin + 0.01 || t > begin + 1.98) return true;
            for (int i = 0; i < kRun; ++i) {
                const double wanted = -2.0 + 3.0 * (t + i / 48000.0 - begin);
                worst = std::max(worst, std::abs(static_cast<double>((*view.probes[0])[i]) - wanted));
            }
            return true;
        });
        figure("scenes", fmt::format("after ten minutes {:.2f} mV from the line", 1e3 * worst));
        QVERIFY2(worst < 0.006, qPrintable(QString::number(worst))); // 2 ms of 3 V a second
    }

    void whatHandsCannotPlayIsSaid() {
        using Kind = SceneWarning::Kind;
        const Patch fine = with(song(), kSong);
        QVERIFY(checkScenes(fine, library(), workspace().housing(fine)).empty());
        QVERIFY(warns(
            with(song(), "S: 4 bars\nleft: a offset 0 V > 2 V, bar 1 to 3\nleft: b offset 0 V > 2 V, bar 2 to 3\n"),
            Kind::TwoAtOnce, "bar 2: the left hand is still at a offset"));
        QVERIFY(!warns(
            with(song(), "S: 4 bars\nleft: a offset 0 V > 2 V, bar 1 to 3\nright: b offset 0 V > 2 V, bar 2 to 3\n"),
            Kind::TwoAtOnce, ""));
        QVERIFY(warns(with(song(), "S: 4 bars\nleft: a offset -5 V > 5 V, bar 1 to 1.1.1\n"), Kind::TooFast,
                      "a hand takes"));
        QVERIFY(warns(
            with(song(), "S: 4 bars\nleft: a offset 0 V > 2 V, bar 1 to 2\nleft: out level 0 dB > -6 dB, bar 2 to 3\n"),
            Kind::TooFar, "HP to"));
        QVERIFY(warns(with(song(), "S: 4 bars\nleft: a offset 3 V > 4 V, bar 1 to 2\n"), Kind::Jumps,
                      "when its move begins at"));
        QVERIFY(warns(with(song(), "A: 1 bar\nout level -60 dB\nB: 1 bar\n"), Kind::LeftDown, "never comes back"));
        QVERIFY(!warns(with(song(), "A: 1 bar\nout level -60 dB\nB: 1 bar\nout level 0 dB\n"), Kind::LeftDown, ""));
        Patch gone = fine;
        gone = *applyEdit(gone, RemovePost{"a"});
        QVERIFY(warns(gone, Kind::Gone, "is not in the patch any more"));
        QVERIFY(!offline(gone, "b.out", 0.5).empty()); // and the rest still plays
    }

    void theNextMoveIsTheOneThatComesFirst() {
        const Patch patch = with(song(), kSong);
        NextMove next = nextMove(patch.scenes, 0.0);
        QVERIFY(next.move && next.scene == 0 && next.beats == 0.0);
        next = nextMove(patch.scenes, 5.0);
        QCOMPARE(next.scene, 1);
        QCOMPARE(next.beats, 7.0); // the swell begins at beat 8, its second bar at 12
        QVERIFY(!nextMove(patch.scenes, 15.0).move);
    }

    /// Where what all share is linear, stems add up to the mix.
    void stemsAddUp() {
        Patch patch = demo("night-watch.json");
        const auto stems = stemsOf(patch, library());
        QCOMPARE(stems.size(), 4u); // the bus is nobody's
        std::erase_if(patch.cables, [](const Cable& cable) {
            return cable.to.post == "compressor" || cable.from.post == "compressor";
        });
        RenderOptions options;
        options.seconds = 4.0;
        options.fileRate = 0.0;
        options.scenes = true;
        const auto mix = render(patch, library(), options)->left;
        std::vector<double> sum(mix.size());
        double loudest = 0.0;
        for (const Stem& stem : stemsOf(patch, library())) {
            options.silenced = stem.silenced;
            const auto alone = render(patch, library(), options)->left;
            double peak = 0.0;
            for (std::size_t i = 0; i < mix.size(); ++i) {
                sum[i] += static_cast<double>(alone[i]);
                peak = std::max(peak, std::abs(static_cast<double>(alone[i])));
            }
            loudest = std::max(loudest, peak);
        }
        QVERIFY(loudest > 1.0);
        for (std::size_t i = 0; i < mix.size(); ++i)
            QVERIFY2(std::abs(sum[i] - static_cast<double>(mix[i])) < 2e-3,
                     qPrintable(QString::number(sum[i] - static_cast<double>(mix[i]))));
        // What goes out of the mixer, through bands, equalizer and width, and back into it, is nobody's either.
        const Patch song = demo("landfall.json");
        QStringList voices;
        options.seconds = 2.0;
        options.scenes = false;
        for (const Stem& stem : stemsOf(song, library())) {
            voices << QString::fromStdString(stem.voice);
            options.silenced = stem.silenced;
            const auto alone = render(song, library(), options)->left;
            QVERIFY2(*std::ranges::max_element(alone) > 0.1f, stem.voice.c_str());
        }
        voices.sort();
        QCOMPARE(voices.join(' '), QStringLiteral("Bass Hat Kick Lead"));
        QCOMPARE(
            stemFiles("Night Watch", {"Lead / 2", "lead 2", "Lead"}),
            (std::vector<std::string>{"night-watch-lead-2.wav", "night-watch-lead-2-2.wav", "night-watch-lead.wav"}));
        QCOMPARE(stemFiles("../..", {"é", "à"}), (std::vector<std::string>{"stem.wav", "stem-2.wav"}));
        const auto cut = stemFiles(std::string(200, 'x'), {"Lead", "Kick"}); // the title leaves no room for them
        QVERIFY(cut[0] != cut[1] && cut[0].size() < 90);
    }

    void clocksAreATreeOfRatios() {
        const auto tree = clocksOf(demo("tide-clock.json"), library());
        QVERIFY(tree.has_value() && !tree->branches.empty());
        const ClockBranch& lead = tree->branches.front();
        QCOMPARE(lead.parent, -1);
        QVERIFY(std::abs(lead.hertz - 7.2) < 1e-3); // 16ths of 108 BPM
        for (const ClockBranch& branch : tree->branches)
            if (branch.parent >= 0)
                QVERIFY(branch.depth == tree->branches[static_cast<std::size_t>(branch.parent)].depth + 1);
    }

    void dividersHaveTheirRatioAndLfosDrift() {
        PatchMaker maker("tower-case");
        maker.timing()
            .post("div", "capstan", "divider")
            .post("steps", "ratline", "steps")
            .post("lfo", "swell-a", "lfo")
            .post("rain", "rain", "pattern");
        Patch patch = maker.make();
        const PartInfo& divider = *library().part(*patch.post("div"));
        const PartInfo& lfo = *library().part(*patch.post("lfo"));
        const JackInfo* by4 = divider.jack("out-3");
        QVERIFY(by4 != nullptr);
        const JackInfo* square = nullptr;
        for (const JackInfo& jack : lfo.jacks)
            if (jack.output && jack.id.find("square") != std::string::npos) square = &jack;
        QVERIFY(square != nullptr);
        const auto tie = [&](const JackRef& from, const JackRef& to) {
            patch = *applyEdit(patch, TieCable{{0, from, to, {}, {}, {}, 0, {}, {}}});
        };
        tie(jackRef("clock.sixteenths"), jackRef("div.clock"));
        tie(jackRef("div.out-3"), jackRef("steps.clock"));
        tie({"lfo", square->id}, jackRef("rain.clock"));
        patch = *applyEdit(patch, SetKnob{"lfo", "rate", 8.02});
        const auto tree = clocksOf(patch, library());
        QVERIFY(tree.has_value());
        const auto branch = [&](const std::string& post) {
            return *std::ranges::find_if(tree->branches,
                                         [&](const ClockBranch& one) { return one.output.post == post; });
        };
        QCOMPARE(branch("div").times, 1);
        QCOMPARE(branch("div").by, 4);
        QVERIFY(branch("div").simple);
        QVERIFY(!branch("lfo").simple);
        // 120 BPM: 16ths at 8 Hz. 8.02 Hz runs 2.5 parts in a thousand fast: 150 ms a minute.
        QVERIFY2(std::abs(branch("lfo").drift - 150.0) < 5.0, qPrintable(QString::number(branch("lfo").drift)));
        QVERIFY(std::ranges::any_of(tree->resets,
                                    [](const ResetState& r) { return r.post == "tracks" && !r.by.post.empty(); }));
        QVERIFY(std::ranges::any_of(tree->resets,
                                    [](const ResetState& r) { return r.post == "steps" && r.by.post.empty(); }));
    }

    void theReckonerReckons_data() {
        QTest::addColumn<QString>("line");
        QTest::addColumn<QString>("what");
        QTest::addColumn<QString>("value");
        const auto row = [](const char* line, const char* what, const char* value) {
            QTest::addRow("%s: %s", line, what) << line << what << value;
        };
        row("112 bpm", "a 16th", "133.93 ms");
        row("112 BPM", "rate of the 16ths", "7.4667 Hz");
        row("120 bpm", "a dotted 8th", "375 ms");
        row("120 bpm", "samples at 48 kHz", "24000");
        row("62.5 ms", "tempo, if it is a 16th", "240 BPM");
        row("125ms", "part of a 16th at 120 BPM", "100 %");
        row("440 hz", "note", "A4");
        row("a4", "pitch at 1 V per octave, 0 V is C4", "0.75 V");
        row("c1", "pitch in volts per hertz, 1 V is C0", "2 V");
        row("1 v", "note at 1 V per octave", "C5");
        row("0.5 v", "interval at 1 V per octave", "6 st");
        row("3/2", "interval", "701.96 ct");
        row("3:2", "near", "fifth +2.0 ct");
        row("4/1", "in semitones", "24 st");
        row("a4 / 2", "divided by 2", "220 Hz");
        row("c4 / 4 5 6", "together", "C2 A♭1 +14 F1 -2");
        row("2 v at 50 %", "in semitones at 1 V per octave", "12 st");
        row("7 st from 5 v", "part of the whole", "11.67 %");
        row("7 st from 5 v", "where an attenuator stands for it", "8:10");
        row("-6 st from 5 v", "where an attenuverter stands for it", "11:30");
        row("+4 dbu", "a sine of that peak, RMS", "1.2277 V");
        row("0 dbfs", "peak", "10 V");
        row("-6 db", "of a voltage", "50.12 %");
        row("5 7 16", "they meet again after", "560 steps");
        row("5 7 16", "in bars of 16", "35");
        row("16, 12", "times that 12 is played", "4");
    }
    void theReckonerReckons() {
        QFETCH(QString, line);
        QFETCH(QString, what);
        QFETCH(QString, value);
        QCOMPARE(QString::fromStdString(reckoned(line.toUtf8().constData(), what.toUtf8().constData())), value);
    }

    /// Twenty thousand lines that somebody's cat could have typed: read or refused, never worse.
    void nothingThatIsTypedDoesHarm() {
        std::mt19937 dice(11);
        const std::vector<std::string> seeds = {
            "d3!,0.4,v80 - f3~ = c4*3 x... X.x.",
            "Intro: 8 bars x2\n  a offset 1 V\n  left: a offset 1 V > 2 V, bar 3 to 4.2.5\n",
            "7 st from 5 v",
            "d4 / 4 5 6",
            "2 v at 38 %",
            "112 bpm",
            "5 7 16"};
        const Patch patch = song();
        int read = 0;
        for (int round = 0; round < 20'000; ++round) {
            std::string text = seeds[dice() % seeds.size()];
            for (auto n = dice() % 6; n > 0; --n) {
                const std::size_t at = dice() % (text.size() + 1);
                switch (dice() % 3) {
                case 0:
                    text.insert(at, 1, static_cast<char>(dice() % 256));
                    break;
                case 1:
                    if (at < text.size()) text.erase(at, 1 + dice() % 4);
                    break;
                default:
                    text.insert(at, std::to_string(dice()));
                }
            }
            if (const auto steps = readSteps(text)) read += readSteps(writeSteps(*steps)).has_value() ? 1 : -1000;
            (void)readHits(text);
            (void)reckon(text);
            if (const auto scenes = readScenes(text, patch, library())) {
                const auto made = applyEdit(patch, SetScenes{*scenes});
                QVERIFY2(made.has_value(), text.c_str());
                QVERIFY2(readScenes(writeScenes(*scenes, patch, library()), patch, library()).has_value(),
                         writeScenes(*scenes, patch, library()).c_str());
                (void)checkScenes(*made, library(), workspace().housing(*made));
                ++read;
            }
        }
        QVERIFY(read > 500);
    }

    void whatCannotBeReckonedIsSaid() {
        for (const char* line :
             {"", "   ", "wobble", "0 bpm", "-3 ms", "nan hz", "1e999 hz", "3/0", "5", "5 0", "7 st from 0 v", "d4 / x",
              "h3", "99999 st", "1e300 hz", "1e-300 s", "1e300 v", "1e300/1", "9999 db"}) {
            const auto made = reckon(line);
            QVERIFY2(!made, line);
            QVERIFY(made.error().reason.str().find("112 bpm") != std::string::npos);
        }
        QVERIFY(!reckon(std::string(10'000, '1')));
    }
};

QTEST_GUILESS_MAIN(ScenesTest)
#include "scenes_test.moc"
