// pattern, responses and clocks: what happens when, without a window.
#include "cli/commands.h"
#include "library/check.h"
#include "library/midi_file.h"
#include "model/file.h"
#include "model/pattern_text.h"
#include "timing/clocks.h"
#include "timing/forecast.h"
#include "timing/keep.h"
#include "timing/pattern_edits.h"
#include "timing/pattern_midi.h"
#include "units/number.h"
#include "units/pitch.h"

#include <algorithm>
#include <iostream>

#include <CLI/CLI.hpp>
#include <fmt/format.h>

namespace lariat::cli {
/// The post that is meant: the one that is named, or the only one.
Sequencer sequencerNamed(const Patch& patch, const Library& library, const std::string& post) {
    const auto all = sequencersOf(patch, library);
    if (all.empty()) refuse("nothing in this patch goes through steps");
    if (post.empty() && all.size() == 1) return all.front();
    std::string names;
    for (const Sequencer& one : all) {
        if (one.post == post) return one;
        names += (names.empty() ? "" : ", ") + one.post;
    }
    refuse(post.empty() ? fmt::format("several posts go through steps; choose one with --post: {}", names)
                        : fmt::format("\"{}\" is no post with steps; these are: {}", post, names));
}

namespace {

int variationNamed(const std::string& text, const Sequencer& sequencer) {
    const int variation = text.size() == 1 ? (text[0] | 0x20) - 'a' : -1;
    if (variation < 0 || variation >= sequencer.variations)
        refuse(fmt::format("\"{}\" is no variation of {}; it has A to {}", text, sequencer.post,
                           static_cast<char>('A' + sequencer.variations - 1)));
    return variation;
}

Json lineJson(const Pattern& pattern, const LineRef& line, int variation, const std::string& name) {
    const Stride& stride = *strideOf(pattern, line, variation);
    return {{"variation", std::string(1, static_cast<char>('A' + variation))},
            {line.lane ? "lane" : "track", line.index + 1},
            {"name", name},
            {"steps", stepsOf(pattern, line, variation)},
            {"words", lineText(pattern, line, variation)},
            {"division", stride.division},
            {"triplets", stride.triplets},
            {"direction", kDirectionNames[static_cast<std::size_t>(stride.direction)]},
            {"swing", 100.0 * stride.swing},
            {"lock", stride.lock}};
}

void show(const Patch& patch, const Library& library, const std::string& post, bool json) {
    Json all = Json::array();
    for (const Sequencer& sequencer : sequencersOf(patch, library)) {
        if (!post.empty() && sequencer.post != post) continue;
        const Pattern* pattern = patch.pattern(sequencer.post);
        if (!json)
            fmt::print("{} ({}): {} tracks, {} lanes, {} variations\n", patch.post(sequencer.post)->name,
                       sequencer.post, sequencer.tracks, sequencer.lanes, sequencer.variations);
        if (!pattern) continue;
        for (int v = 0; v <= static_cast<int>(pattern->others.size()); ++v) {
            const auto one = [&](const LineRef& line, const std::string& name) {
                if (json) {
                    all.push_back(lineJson(*pattern, line, v, name));
                    all.back()["post"] = sequencer.post;
                } else {
                    fmt::print("  {} {} {} \"{}\" · {} steps{}\n      {}\n", static_cast<char>('A' + v),
                               line.lane ? "lane" : "track", line.index + 1, name, stepsOf(*pattern, line, v),
                               strideWords(*strideOf(*pattern, line, v)), lineText(*pattern, line, v));
                }
            };
            for (std::size_t t = 0; t < pattern->tracksOf(v).size(); ++t)
                one({sequencer.post, false, static_cast<int>(t)}, pattern->tracksOf(v)[t].name);
            for (std::size_t l = 0; l < pattern->lanesOf(v).size(); ++l)
                one({sequencer.post, true, static_cast<int>(l)}, pattern->lanesOf(v)[l].name);
        }
    }
    if (json) std::cout << dump(all);
}

struct PatternOptions : Destination {
    std::string post;
    std::string variation = "A";
    int track = 0;
    int lane = 0;
    std::string words;
    std::string name;
    std::optional<int> length;
    std::optional<int> rotate;
    std::optional<int> transpose;
    std::optional<int> degrees;
    bool reverse = false;
    bool thin = false;
    std::optional<std::uint64_t> humanize;
    std::optional<int> division;
    std::optional<double> swing;
    std::optional<bool> triplets;
    std::string direction;
    std::optional<int> lock;
    std::filesystem::path fromMidi;
    std::filesystem::path toMidi;
    std::optional<double> keep;
    std::optional<int> channel;
    std::string note;
    int quantize = 100;

    [[nodiscard]] bool changes() const { return track > 0 || lane > 0; }
};

/// What is asked for of a line, in the order in which the options are listed.
template <class Line> void change(Line& steps, const PatternOptions& o) {
    if (o.length) steps = lengthened(std::move(steps), *o.length);
    if (o.reverse) steps = reversed(std::move(steps), {});
    if (o.thin) steps = thinned(std::move(steps), {});
    if (o.rotate) steps = rotated(std::move(steps), {}, *o.rotate);
}

Result<Pattern> changed(const Patch& patch, const Sequencer& sequencer, const PatternOptions& o) {
    const bool isLane = o.lane > 0;
    const int index = (isLane ? o.lane : o.track) - 1;
    const int room = isLane ? sequencer.lanes : sequencer.tracks;
    if (index >= room)
        return failure(say("there is no {} {}; this module has {}", isLane ? "lane" : "track", index + 1, room));
    const int variation = variationNamed(o.variation, sequencer);
    const LineRef line{sequencer.post, isLane, index};
    Pattern pattern = patternOf(patch, sequencer.post);
    if (!o.words.empty()) {
        auto with = withLine(std::move(pattern), line, variation, o.words);
        if (!with) return with;
        pattern = std::move(*with);
    }
    Stride* stride = nullptr;
    if (isLane) {
        Lane& lane = laneAt(pattern, variation, index);
        change(lane.hits, o);
        if (!o.name.empty()) lane.name = o.name;
        stride = &lane.stride;
    } else {
        Track& track = trackAt(pattern, variation, index);
        change(track.steps, o);
        if (o.transpose) track.steps = transposed(std::move(track.steps), {}, *o.transpose);
        if (o.degrees) {
            const auto key = parseKey(patch.key);
            if (!key)
                return failure(say("\"{}\" is no key that notes could move in; name one, such as D minor", patch.key));
            track.steps = movedInKey(std::move(track.steps), {}, *key, *o.degrees);
        }
        if (o.humanize) track.steps = humanized(std::move(track.steps), {}, *o.humanize);
        if (!o.name.empty()) track.name = o.name;
        stride = &track.stride;
    }
    if (o.division) stride->division = *o.division;
    if (o.swing) stride->swing = 0.01 * *o.swing;
    if (o.triplets) stride->triplets = *o.triplets;
    if (o.lock) stride->lock = *o.lock;
    if (!o.direction.empty())
        stride->direction =
            static_cast<Direction>(std::ranges::find(kDirectionNames, o.direction) - kDirectionNames.begin());
    return pattern;
}

std::optional<int> noteNamed(const std::string& text) {
    if (text.empty()) return std::nullopt;
    const auto note = parseNote(text);
    if (!note || *note < 0 || *note > 127) refuse(fmt::format("\"{}\" is no note; write C2 or F#1", text));
    return note;
}

/// The line that a MIDI file holds.
Pattern fromMidi(const Patch& patch, const Sequencer& sequencer, const PatternOptions& o) {
    const auto read = need(readMidiFile(o.fromMidi, sequencer.post));
    StepsFromMidi how;
    if (o.channel) how.channel = *o.channel - 1;
    how.note = noteNamed(o.note);
    how.quantize = o.quantize;
    Pattern pattern = patternOf(patch, sequencer.post);
    const int variation = variationNamed(o.variation, sequencer);
    int left = 0;
    if (o.lane > 0)
        laneAt(pattern, variation, o.lane - 1).hits = hitsFrom(read.performance, how, &left);
    else
        trackAt(pattern, variation, o.track - 1).steps = stepsFrom(read.performance, how, &left);
    if (left > 0) std::cerr << fmt::format("lariat-cli: {} notes had no step of their own and were left out\n", left);
    return pattern;
}

/// The line as a MIDI file.
void toMidi(const Patch& patch, const Library& library, const Sequencer& sequencer, const PatternOptions& o) {
    const Pattern pattern = patternOf(patch, sequencer.post);
    const int variation = variationNamed(o.variation, sequencer);
    const int index = (o.lane > 0 ? o.lane : o.track) - 1;
    if (stepsOf(pattern, {sequencer.post, o.lane > 0, index}, variation) == 0)
        refuse("this line is not written; there is nothing to put into a file");
    const double tempo = std::max(20.0, tempoOf(patch, library));
    constexpr int kC2 = 36;
    need(writeMidiFile(o.toMidi, o.lane > 0
                                     ? performanceOf(pattern.lanesOf(variation)[static_cast<std::size_t>(index)],
                                                     noteNamed(o.note).value_or(kC2), tempo, o.channel.value_or(10) - 1)
                                     : performanceOf(pattern.tracksOf(variation)[static_cast<std::size_t>(index)],
                                                     tempo, o.channel.value_or(1) - 1)));
}

Json factsJson(const std::vector<Fact>& facts) {
    Json out = Json::array();
    for (const Fact& fact : facts) {
        Json steps = Json::array();
        for (const int step : fact.steps) steps.push_back(step + 1);
        out.push_back({{"text", fact.text.str()}, {"bad", fact.bad}, {"steps", steps}});
    }
    return out;
}

void printFacts(const std::vector<Fact>& facts) {
    for (const Fact& fact : facts) {
        fmt::print("    {}{}", fact.bad ? "! " : "  ", fact.text.str());
        if (!fact.steps.empty()) {
            fmt::print(": steps");
            for (const int step : fact.steps) fmt::print(" {}", step + 1);
        }
        fmt::print("\n");
    }
}

void printResponses(const Responses& responses, const Patch& patch, bool perStep) {
    fmt::print("one pulse {:.1f} ms · everything begins anew after {} pulses{}\n", 1e3 * responses.pulseSeconds,
               responses.cycle,
               responses.shown < responses.cycle ? fmt::format(", {} of them were run", responses.shown) : "");
    for (const ContourResponse& contour : responses.contours) {
        fmt::print("  {} · {} notes\n", patch.post(contour.post)->name, contour.strikes.size());
        printFacts(contour.facts);
        for (const Strike& strike : contour.strikes)
            if (perStep)
                fmt::print("      step {:>2} at pulse {:6.2f}: open {:.1f} ms, {:.2f} V when the gate closes{}{}\n",
                           strike.step + 1, strike.pulse, 1e3 * strike.open, static_cast<double>(strike.atClose),
                           contour.sustains && !strike.held ? fmt::format(", {:.1f} ms short", 1e3 * strike.missing)
                                                            : "",
                           strike.over > 0.0 ? fmt::format(", tail {:.1f} ms too long", 1e3 * strike.over) : "");
    }
    for (const TuneResponse& tune : responses.tunes) {
        fmt::print("  {}\n", tune.path.out.text());
        printFacts(tune.facts);
        for (const TunedNote& note : tune.notes)
            if (perStep)
                fmt::print("      step {:>2} at pulse {:6.2f}: {:.3f} V becomes {:.3f} V, {} ({:+.0f} ct)\n",
                           note.step + 1, note.pulse, static_cast<double>(note.wanted), static_cast<double>(note.given),
                           note.text(), note.moved());
    }
    for (const SoundResponse& sound : responses.sounds) {
        fmt::print("  {} · {:.2f}…{:.2f} V\n", sound.output.text(), static_cast<double>(sound.low),
                   static_cast<double>(sound.high));
        printFacts(sound.facts);
    }
}

Json responsesJson(const Responses& responses) {
    Json contours = Json::array();
    for (const ContourResponse& contour : responses.contours) {
        Json strikes = Json::array();
        for (const Strike& s : contour.strikes)
            strikes.push_back({{"step", s.step + 1},
                               {"pulse", s.pulse},
                               {"open", s.open},
                               {"level", s.atClose},
                               {"reached", s.held},
                               {"short", s.missing},
                               {"over", s.over}});
        contours.push_back({{"post", contour.post},
                            {"sustain", contour.sustain},
                            {"facts", factsJson(contour.facts)},
                            {"strikes", strikes}});
    }
    Json sounds = Json::array();
    for (const SoundResponse& sound : responses.sounds)
        sounds.push_back({{"output", sound.output.text()},
                          {"low", sound.low},
                          {"high", sound.high},
                          {"facts", factsJson(sound.facts)}});
    Json tunes = Json::array();
    for (const TuneResponse& tune : responses.tunes) {
        Json notes = Json::array();
        for (const TunedNote& note : tune.notes)
            notes.push_back({{"step", note.step + 1},
                             {"pulse", note.pulse},
                             {"wanted", note.wanted},
                             {"given", note.given},
                             {"moved", note.moved()},
                             {"note", note.text()}});
        tunes.push_back({{"output", tune.path.out.text()}, {"facts", factsJson(tune.facts)}, {"notes", notes}});
    }
    return {{"post", responses.sequencer},
            {"pulse", responses.pulseSeconds},
            {"cycle", responses.cycle},
            {"run", responses.shown},
            {"contours", contours},
            {"sounds", sounds},
            {"tunes", tunes}};
}

void answerForecast(const Patch& patch, const Library& library, const std::string& post, bool json) {
    Json all = Json::array();
    for (const Forecast& forecast : need(forecastOf(patch, library, post))) {
        if (!json) {
            fmt::print("{}{}\n", forecast.text.str(),
                       forecast.mover.empty() ? "" : fmt::format("; {}", forecast.mover.str()));
            continue;
        }
        Json spans = Json::array();
        for (const auto& [from, to] : forecast.spans) spans.push_back({from, to});
        all.push_back({{"post", forecast.post},
                       {"what", forecast.kind == Fact::Kind::Sustain ? "sustain" : "tail"},
                       {"now", forecast.holdsNow},
                       {"spans", spans},
                       {"knob", forecast.knob},
                       {"text", forecast.text.str()}});
    }
    if (json) std::cout << dump(all);
}

} // namespace

void addPattern(CLI::App& app, Context& context) {
    auto options = std::make_shared<PatternOptions>();
    auto* command = app.add_subcommand("pattern", "Show what sequencers play, or write and change a line of it");
    giveExamples(*command,
                 "  lariat-cli pattern data/demo/lamp.json\n"
                 "  lariat-cli pattern mine.json --track 1 --words \"d3 d3 - f3~ = c4!\" --in-place\n"
                 "  lariat-cli pattern mine.json --lane 2 --variation B --words \"x... x.X.\" --out new.json\n"
                 "  lariat-cli pattern mine.json --track 1 --rotate 1 --transpose -12 --in-place\n"
                 "  lariat-cli pattern mine.json --track 1 --from-midi tune.mid --channel 1 --in-place\n"
                 "  lariat-cli pattern mine.json --track 1 --to-midi tune.mid\n"
                 "  lariat-cli pattern mine.json --post quantizer --keep 8 --in-place");
    command->add_option("patch", options->file, "Patch file")->required();
    command->add_option("--post", options->post, "The sequencer; needed where there are several");
    command->add_option("--variation", options->variation, "A to H; one that is not written begins as a copy of A");
    auto* track =
        command->add_option("--track", options->track, "Track to change, counted from 1")->check(CLI::Range(1, 64));
    command->add_option("--lane", options->lane, "Lane to change")->check(CLI::Range(1, 64))->excludes(track);
    command->add_option("--words", options->words,
                        "The line in words: notes, - rest, = tie, ! accent, ~ slide; x, X and .");
    command->add_option("--name", options->name, "Its name");
    command->add_option("--length", options->length, "Steps")->check(CLI::Range(1, static_cast<int>(kMaxSteps)));
    command->add_flag("--reverse", options->reverse, "Back to front");
    command->add_flag("--thin", options->thin, "Every other note becomes a rest");
    command->add_option("--rotate", options->rotate, "Turned by so many steps to the right");
    command->add_option("--transpose", options->transpose, "Semitones")->check(CLI::Range(-127, 127));
    command->add_option("--degrees", options->degrees, "Notes of the patch's key")->check(CLI::Range(-127, 127));
    command->add_option("--humanize", options->humanize, "Velocities and gates a little uneven, from this seed");
    command->add_option("--division", options->division, "Clock pulses a step")->check(CLI::Range(1, 16));
    command->add_option("--swing", options->swing, "Per cent of two steps that the first takes")
        ->check(CLI::Range(50.0, 75.0));
    command->add_option("--triplets", options->triplets, "Three steps in the time of two");
    command->add_option("--direction", options->direction)
        ->check(CLI::IsMember({"forward", "backward", "pendulum", "random"}));
    command->add_option("--lock", options->lock, "Group that changes variation together; 0: alone")
        ->check(CLI::Range(0, 16));
    command->add_option("--from-midi", options->fromMidi, "Take the line from a MIDI file")->check(CLI::ExistingFile);
    command->add_option("--to-midi", options->toMidi, "Write the line into a MIDI file; the patch stays as it is")
        ->check(notEmpty);
    command
        ->add_option("--channel", options->channel,
                     "MIDI channel; default: all of a file, 1 for tracks and 10 for lanes")
        ->check(CLI::Range(1, 16));
    command->add_option("--note", options->note, "Of a lane: the note that is its hit");
    command->add_option("--quantize", options->quantize, "Per cent of the way to the step")->check(CLI::Range(0, 100));
    command
        ->add_option("--keep", options->keep,
                     "Run so many seconds, and take what a quantizer records meanwhile into its slot")
        ->check(CLI::Range(0.1, 600.0));
    options->addOptions(*command);
    command->callback([options, &context] {
        const Workspace workspace = context.workspace();
        Patch patch = need(openPatch(options->file, workspace.library));
        if (options->keep) {
            const Sequencer sequencer = sequencerNamed(patch, workspace.library, options->post);
            Pattern kept = need(recordedPattern(patch, workspace.library, sequencer.post, *options->keep));
            patch = need(applyEdit(patch, SetPattern{std::move(kept)}));
            options->write(patch);
            return show(patch, workspace.library, sequencer.post, context.json);
        }
        if (!options->changes() && !(options->fromMidi.empty() && options->toMidi.empty()))
            refuse("choose the line with --track or --lane");
        if (!options->changes()) {
            if (!options->post.empty()) (void)sequencerNamed(patch, workspace.library, options->post);
            return show(patch, workspace.library, options->post, context.json);
        }
        const Sequencer sequencer = sequencerNamed(patch, workspace.library, options->post);
        if (!sequencer.plays)
            refuse(fmt::format("the steps of {} are its knobs; turn them with tie, as in \"{} step 1 40 %\"",
                               sequencer.post, patch.post(sequencer.post)->name));
        if (!options->toMidi.empty()) return toMidi(patch, workspace.library, sequencer, *options);
        if (!options->fromMidi.empty())
            patch = need(applyEdit(patch, SetPattern{fromMidi(patch, sequencer, *options)}));
        Pattern pattern = need(changed(patch, sequencer, *options));
        if (const Sentence why = tooMuchFor(sequencer, pattern); !why.empty()) refuse(why.str());
        patch = need(applyEdit(patch, SetPattern{std::move(pattern)}));
        options->write(patch);
        show(patch, workspace.library, sequencer.post, context.json);
    });
}

void addResponses(CLI::App& app, Context& context) {
    struct Options : Destination {
        std::string post;
        std::string tempo;
        std::string variation;
        std::string fit;
        std::string to = "sustain";
        int step = 0;
        bool perStep = false;
        bool contours = false;
    };
    auto options = std::make_shared<Options>();
    auto* command = app.add_subcommand(
        "responses", "What the steps cause: envelopes note by note, hits, and at which tempos that changes");
    giveExamples(*command, "  lariat-cli responses data/demo/lamp.json --steps\n"
                           "  lariat-cli responses data/demo/lamp.json --tempo 40..240\n"
                           "  lariat-cli responses data/demo/lamp.json --fit contour --to sustain --out fitted.json");
    command->add_option("patch", options->file, "Patch file")->required();
    command->add_option("--post", options->post, "The sequencer; needed where there are several");
    command->add_option("--tempo", options->tempo, "A tempo in BPM, or 40..240 for what holds at which tempo");
    command->add_option("--variation", options->variation, "A to H instead of the one that is switched on");
    command->add_flag("--contours", options->contours, "Contours only, which is quicker");
    command->add_flag("--steps", options->perStep, "Figures of every note");
    command->add_option("--fit", options->fit, "A contour post to fit to the steps");
    command
        ->add_option("--to", options->to, "sustain: it is just reached; next: the tail just ends before the next note")
        ->check(CLI::IsMember({"sustain", "next"}));
    command->add_option("--step", options->step, "The step to fit to, counted from 1; default: all notes");
    options->addOptions(*command);
    command->callback([options, &context] {
        const Workspace workspace = context.workspace();
        const Library& library = workspace.library;
        Patch patch = need(openPatch(options->file, library));
        const Sequencer sequencer = sequencerNamed(patch, library, options->post);
        if (options->tempo.find("..") != std::string::npos) {
            if (options->tempo != "40..240")
                refuse(fmt::format("\"{}\": forecasts go over 40..240 BPM", options->tempo));
            return answerForecast(patch, library, sequencer.post, context.json);
        }
        ResponseOptions how;
        how.sounds = !options->contours;
        if (!options->variation.empty()) how.variation = variationNamed(options->variation, sequencer);
        if (!options->tempo.empty()) {
            how.tempo = parseNumber(options->tempo);
            const TempoHome home = tempoHome(patch, library);
            if (!how.tempo || !home.knob || !(*how.tempo >= home.knob->scale.min && *how.tempo <= home.knob->scale.max))
                refuse(fmt::format(
                    "\"{}\" is no tempo of this patch's clock; write a number of beats per minute, or 40..240",
                    options->tempo));
        }
        if (!options->fit.empty()) {
            const Fit fit = options->to == "sustain" ? Fit::ReachSustain : Fit::EndBeforeNext;
            const SetKnob turn =
                need(fitToStep(patch, library, sequencer.post, options->fit, fit, options->step - 1, how));
            patch = need(applyEdit(patch, turn));
            options->write(patch);
            const KnobInfo& knob = *library.part(*patch.post(turn.post))->knob(turn.knob);
            if (!context.json)
                fmt::print("{} of {} at {}\n", knob.name, patch.post(turn.post)->name, knob.scale.text(turn.value));
        }
        const Responses responses = need(responsesOf(patch, library, sequencer.post, how));
        if (context.json)
            std::cout << dump(responsesJson(responses));
        else
            printResponses(responses, patch, options->perStep);
    });
}

void addClocks(CLI::App& app, Context& context) {
    auto file = std::make_shared<std::filesystem::path>();
    auto* command = app.add_subcommand("clocks", "What steps what: a tree of ratios, free-running clocks, resets");
    giveExamples(*command, "  lariat-cli clocks data/demo/tide-clock.json");
    command->add_option("patch", *file, "Patch file")->required();
    command->callback([file, &context] {
        const Workspace workspace = context.workspace();
        const Patch patch = need(openPatch(*file, workspace.library));
        const ClockTree tree = need(clocksOf(patch, workspace.library));
        Json branches = Json::array();
        for (const ClockBranch& branch : tree.branches) {
            std::vector<std::string> steps;
            for (const JackRef& input : branch.steps) steps.push_back(input.text());
            if (context.json) {
                branches.push_back({{"output", branch.output.text()},
                                    {"parent", branch.parent},
                                    {"hertz", branch.hertz},
                                    {"times", branch.times},
                                    {"by", branch.by},
                                    {"exact", branch.simple},
                                    {"drift", branch.drift},
                                    {"uneven", branch.uneven},
                                    {"steps", steps}});
                continue;
            }
            fmt::print("{:{}}{} · {} · steps {}\n", "", 2 * branch.depth, branch.output.text(), clockText(branch).str(),
                       fmt::join(steps, ", "));
        }
        Json resets = Json::array();
        for (const ResetState& reset : tree.resets) {
            if (context.json)
                resets.push_back({{"post", reset.post}, {"by", reset.by.post.empty() ? "" : reset.by.text()}});
            else
                fmt::print("{} {}\n", reset.post,
                           reset.by.post.empty() ? "is not reset" : "is reset by " + reset.by.text());
        }
        if (context.json) std::cout << dump({{"branches", branches}, {"resets", resets}});
    });
}

} // namespace lariat::cli
