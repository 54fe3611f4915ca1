// ask: the questions of the Bench, of jacks and of recordings.
#include "ask/loud.h"
#include "ask/real.h"
#include "ask/tracking.h"
#include "cli/commands.h"
#include "library/check.h"
#include "model/edit.h"
#include "model/file.h"
#include "print/plot_picture.h"

#include <QBuffer>

#include <algorithm>
#include <iostream>

#include <CLI/CLI.hpp>
#include <fmt/format.h>

namespace lariat::cli {
namespace {

struct AskCommand : Destination {
    std::string question;
    std::vector<std::string> jacks;
    std::vector<std::filesystem::path> recordings;
    std::filesystem::path against, csv, picture;
    std::string key, tuning, vowel, trigger, tracking;
    std::vector<std::string> fit;
    double seconds = 0.0, from = 0.0, window = 0.0, volts = 10.0, level = 0.0;
    int channel = 1, runs = 320;
    bool realCase = false, scenes = false, lanes = false, xy = false, falling = false, sidebands = false, alias = false,
         bare = false, dark = false;
};

bool isSound(const std::filesystem::path& file) {
    std::string end = file.extension().string();
    std::ranges::transform(end, end.begin(), [](unsigned char c) { return static_cast<char>(std::tolower(c)); });
    return end == ".wav" || end == ".flac" || end == ".aif" || end == ".aiff";
}

Trace recordingOf(const AskCommand& options, const std::filesystem::path& file, double seconds) {
    FileOptions how;
    how.channel = options.channel - 1;
    how.seconds = seconds;
    how.voltsAtFull = options.volts;
    return need(readTrack(file, how));
}

/// How long a run is where nobody said: as long as the question needs.
double usualSeconds(Question question) {
    switch (question) {
    case Question::Shape:
    case Question::Content:
        return 4.0;
    case Question::Same:
        return 12.0;
    case Question::Loud:
        return 6.0;
    default:
        return 8.0;
    }
}

AskOptions optionsOf(const AskCommand& options, const std::string& key, const Library& library,
                     const std::vector<Trace>& traces) {
    AskOptions out;
    out.from = options.from;
    if (options.window > 0.0) out.window = options.window;
    out.lanes = options.lanes;
    out.xy = options.xy;
    out.vowel = options.vowel;
    out.sidebands = options.sidebands;
    const std::string wanted = options.key.empty() ? key : options.key;
    out.key = parseKey(wanted);
    if (!out.key && !options.key.empty())
        refuse(fmt::format("\"{}\" is no key: write one as \"D minor\" or \"F# dorian\"", options.key));
    if (!options.tuning.empty()) {
        out.tuning = library.tuning(options.tuning);
        if (!out.tuning) refuse(fmt::format("there is no tuning \"{}\"; lariat-cli scales lists them", options.tuning));
    }
    out.trigger.rising = !options.falling;
    if (options.level != 0.0) out.trigger.level = options.level;
    if (options.trigger == "free") {
        out.trigger.by = Trigger::By::Free;
    } else if (!options.trigger.empty()) {
        const auto it = std::ranges::find_if(traces, [&](const Trace& one) {
            return one.jack.text() == options.trigger || one.name == options.trigger;
        });
        if (it == traces.end())
            refuse(fmt::format("\"{}\" is none of what is asked of, and so no trigger", options.trigger));
        out.trigger.by = Trigger::By::Edge;
        out.trigger.track = static_cast<int>(it - traces.begin());
    }
    return out;
}

void writePicture(const AskCommand& options, const Answer& answer) {
    if (options.picture.empty()) return;
    const Look& look = options.dark ? Look::night() : Look::light();
    const QSize size(1280, 800);
    const std::string end = options.picture.extension().string();
    if (end == ".svg") return need(writeFile(options.picture, answerSvg(answer, look, size), FileKind::Picture));
    if (end != ".png") throw Failed{{options.picture.string(), {}, say("should end in .svg or .png")}};
    QByteArray bytes;
    QBuffer buffer(&bytes);
    buffer.open(QIODevice::WriteOnly);
    if (!answerImage(answer, look, size).save(&buffer, "PNG"))
        throw Failed{{options.picture.string(), {}, say("the picture cannot be made")}};
    need(writeFile(options.picture, bytes.toStdString(), FileKind::Picture));
}

void tell(const AskCommand& options, const Answer& answer, bool json) {
    writePicture(options, answer);
    if (!options.csv.empty()) need(writeFile(options.csv, answerCsv(answer), FileKind::Text));
    if (json) {
        std::cout << answerJson(answer);
        return;
    }
    fmt::print("{}\n", answer.verdict.str());
    if (!answer.more.empty()) fmt::print("{}\n", answer.more.str());
    for (const Sentence& one : answer.also) fmt::print("  {}\n", one.str());
    int of = -2;
    for (const AskedFigure& figure : answer.figures) {
        if (figure.track != of && answer.tracks.size() > 1)
            fmt::print("{}\n", figure.track < 0 ? std::string("of the whole")
                                                : answer.tracks[static_cast<std::size_t>(figure.track)]);
        of = figure.track;
        fmt::print("  {:<34} {}{}\n", figure.name.str(), figure.text, figure.bad ? "  !" : "");
    }
    for (const AskedOffer& offer : answer.offers) fmt::print("→ {}\n", offer.label.str());
}

/// The tracks of a patch: jacks that were asked for, and those that the question needs beside them.
std::vector<Trace> tracesOf(const AskCommand& options, Question question, const Patch& patch, const Library& library,
                            double rate) {
    std::vector<JackRef> jacks;
    for (const std::string& text : options.jacks) jacks.push_back(text == "out" ? JackRef{} : readJack(text));
    if (jacks.empty()) jacks.push_back({});
    const auto asked = jacks.size();
    if (!options.bare)
        for (JackRef& beside : jacksBeside(question, patch, library, jacks)) jacks.push_back(std::move(beside));
    if (jacks.size() > kMostTracks)
        refuse(fmt::format("{} jacks at once are too many; {} are allowed", jacks.size(), kMostTracks));
    ListenOptions how;
    how.seconds = options.seconds > 0.0 ? options.seconds : usualSeconds(question);
    how.seconds += options.from;
    how.rate = rate;
    how.realCase = options.realCase;
    how.scenes = options.scenes;
    auto traces = need(listen(patch, library, jacks, how));
    if (question == Question::Note)
        for (std::size_t i = asked; i < traces.size(); ++i) traces[i].leads = true;
    return traces;
}

void answerReal(const AskCommand& options, const Patch& patch, const Library& library, bool json) {
    if (options.recordings.empty()) refuse("say which recording of the real case, with --recording");
    const double seconds = options.seconds > 0.0 ? options.seconds : 8.0;
    const Trace recording = recordingOf(options, options.recordings.front(), seconds + 4.0);
    RealOptions how;
    how.seconds = seconds;
    if (!options.jacks.empty() && options.jacks.front() != "out") how.at = readJack(options.jacks.front());
    how.key = parseKey(options.key.empty() ? patch.key : options.key);
    if (options.fit.empty()) {
        const RealPair pair = need(pairUp(patch, library, recording, how));
        return tell(options, askReal(pair, how), json);
    }
    FitOptions fit;
    fit.at = how.at;
    fit.mostRuns = options.runs;
    fit.seconds = std::min(options.seconds > 0.0 ? options.seconds : 2.0, recording.seconds());
    for (const std::string& text : options.fit) {
        if (text == "unknown") continue; // all that is unknown in the patch
        const JackRef knob = readJack(text);
        fit.knobs.push_back({knob.post, knob.jack});
    }
    const Fitted fitted = need(fitToRecording(patch, library, recording, fit));
    if (options.inPlace || !options.out.empty()) options.write(need(applyEdits(patch, fitted.edits)));
    tell(options, fitAnswer(fitted, patch, library), json);
}

} // namespace

void addAsk(CLI::App& app, Context& context) {
    auto options = std::make_shared<AskCommand>();
    auto* command = app.add_subcommand("ask", "What is it, exactly? Questions of jacks and recordings, answered with "
                                              "figures, a sentence and a picture");
    giveExamples(
        *command,
        "  lariat-cli ask shape data/demo/lamp.json contour-1.out\n"
        "  lariat-cli ask note data/demo/lamp.json osc-a.saw\n"
        "  lariat-cli ask note data/demo/lamp.json osc-b.pulse --tracking osc-b.voct\n"
        "  lariat-cli ask same data/demo/lamp.json vca-2.out --picture hits.svg\n"
        "  lariat-cli ask loud data/demo/lamp.json osc-a.saw\n"
        "  lariat-cli ask content data/demo/vowel-voice.json vca.out --vowel ah\n"
        "  lariat-cli ask relate data/demo/fog-signal.json divider.out-1 divider.out-2\n"
        "  lariat-cli ask better data/demo/lamp.json --against changed.json\n"
        "  lariat-cli ask real data/demo/kick.json --recording kick.wav --fit level-a.decay --out fitted.json");
    command->add_option("question", options->question)
        ->required()
        ->check(CLI::IsMember({"shape", "note", "same", "loud", "content", "relate", "better", "real"}));
    command->add_option("patch", options->file, "Patch file, or a sound file")->required();
    command->add_option(
        "jacks", options->jacks,
        "post.jack, outputs or inputs, patched or not; out: the way out, which is asked of if none is named");
    command->add_option("--recording", options->recordings, "A sound file to ask as well; for real: of the real case");
    command->add_option("--against", options->against, "Of better: the patch or sound file to hold it against");
    command->add_option("--seconds", options->seconds, "Length of the silent run, or of the recording")
        ->check(CLI::Range(0.05, 600.0));
    command->add_option("--from", options->from, "Seconds at the start that are left out")
        ->check(CLI::Range(0.0, 3600.0));
    command->add_option("--channel", options->channel, "Channel of a sound file, counted from 1")
        ->check(CLI::Range(1, 64));
    command->add_option("--volts", options->volts, "Volts of full scale in a sound file: 10 of a mix, 1 of a probe")
        ->check(CLI::Range(0.001, 1000.0));
    command->add_flag("--real-case", options->realCase, "With what the metal adds");
    command->add_flag("--scenes", options->scenes, "Knobs follow the scenes");
    command->add_flag("--alone", options->bare, "No leader and no gate beside what is named");
    command->add_option("--window", options->window, "Of shape: seconds that the picture shows")
        ->check(CLI::Range(1e-5, 60.0));
    command->add_option("--trigger", options->trigger, "Of shape: the jack whose edge begins it, or free");
    command->add_flag("--falling", options->falling, "Its falling edge");
    command->add_option("--level", options->level, "In volts")->check(CLI::Range(-12.0, 12.0));
    command->add_flag("--lanes", options->lanes, "Traces under one another");
    command->add_flag("--xy", options->xy, "The first across, the second up");
    command->add_option("--key", options->key, "Instead of the patch's");
    command->add_option("--tuning", options->tuning, "A Scala tuning that notes are held against");
    command->add_option("--tracking", options->tracking, "Of note: plays -2 to +4 V into this input");
    command->add_option("--vowel", options->vowel, "Of content: ee, i, e, a, ah, aw, u, oo, uh or er")
        ->check(CLI::IsMember({"ee", "i", "e", "a", "ah", "aw", "u", "oo", "uh", "er"}));
    command->add_flag("--sidebands", options->sidebands, "Of content: of the second jack as carrier by the third");
    command->add_flag("--alias", options->alias, "Of content: what the rate added, by a run at twice of it");
    command->add_option("--fit", options->fit, "Of real: knobs to find, post.knob,…; unknown: all that are")
        ->delimiter(',');
    command->add_option("--runs", options->runs, "Of real: silent runs at most")->check(CLI::Range(20, 5000));
    command->add_option("--picture", options->picture, "Write the answer as a picture, .svg or .png")->check(notEmpty);
    command->add_flag("--dark", options->dark, "In the dark colours");
    command->add_option("--csv", options->csv, "Write the figures as a table")->check(notEmpty);
    options->addOptions(*command);
    command->callback([options, &context] {
        const Workspace workspace = context.workspace();
        const Library& library = workspace.library;
        const Question question = *questionNamed(options->question);
        const double seconds = options->seconds > 0.0 ? options->seconds : 60.0;
        const bool sound = isSound(options->file);
        Patch patch;
        if (!sound) patch = need(openPatch(options->file, library));
        if (sound && (question == Question::Loud || question == Question::Real || !options->tracking.empty()))
            refuse(fmt::format("\"{}\" is asked of a patch; {} is a recording", options->question,
                               options->file.string()));
        if (question == Question::Real) return answerReal(*options, patch, library, context.json);
        if (question == Question::Loud) {
            LoudOptions how;
            how.seconds = options->seconds > 0.0 ? options->seconds : usualSeconds(question);
            if (!options->jacks.empty() && options->jacks.front() != "out")
                how.source = readJack(options->jacks.front());
            return tell(*options, need(askLoud(patch, library, how)), context.json);
        }
        if (!options->tracking.empty()) {
            TrackingOptions how;
            how.input = readJack(options->tracking);
            if (options->jacks.empty()) refuse("name the output that is heard");
            how.output = readJack(options->jacks.front());
            how.realCase = options->realCase;
            return tell(*options, need(askTracking(patch, library, how)), context.json);
        }
        Asked asked;
        asked.question = question;
        if (sound)
            asked.tracks.push_back(recordingOf(*options, options->file, seconds));
        else
            asked.tracks = tracesOf(*options, question, patch, library, 96000.0);
        for (const std::filesystem::path& file : options->recordings)
            asked.tracks.push_back(recordingOf(*options, file, seconds));
        if (question == Question::Better && !options->against.empty()) {
            if (isSound(options->against)) {
                asked.tracks.push_back(recordingOf(*options, options->against, seconds));
            } else {
                const Patch other = need(openPatch(options->against, library));
                auto traces = tracesOf(*options, question, other, library, 96000.0);
                traces.front().name = other.title + ", " + traces.front().name;
                asked.tracks.push_back(std::move(traces.front()));
            }
        }
        if (question == Question::Content && options->alias && !sound) {
            AskCommand finer = *options;
            asked.twice = tracesOf(finer, question, patch, library, 192000.0);
        }
        asked.options = optionsOf(*options, patch.key, library, asked.tracks);
        if (!sound) asked.options.tempo = tempoOf(patch, library);
        tell(*options, need(ask(asked)), context.json);
    });
}

} // namespace lariat::cli
