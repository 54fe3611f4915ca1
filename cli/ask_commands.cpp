// ask: the questions of the Bench, of jacks and of recordings.
#include "ask/asking.h"
#include "ask/on_sheet.h"
#include "cli/commands.h"
#include "library/check.h"
#include "maker/keep_module.h"
#include "model/edit.h"
#include "model/file.h"
#include "print/plot_picture.h"

#include <QBuffer>

#include <algorithm>
#include <iostream>
#include <map>

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
    int channel = 1, runs = 320, step = 0, track = 0, lane = 0;
    std::string sequencer;
    bool realCase = false, scenes = false, lanes = false, xy = false, falling = false, sidebands = false, alias = false,
         bare = false, dark = false, mixed = false, averaged = false, linear = false, keep = false, onSheet = false;
};

bool isSound(const std::filesystem::path& file) {
    std::string end = file.extension().string();
    std::ranges::transform(end, end.begin(), [](unsigned char c) { return static_cast<char>(std::tolower(c)); });
    return end == ".wav" || end == ".flac" || end == ".aif" || end == ".aiff";
}

Trace recordingOf(const AskCommand& options, const std::filesystem::path& file, double seconds) {
    FileOptions how;
    how.channel = options.mixed ? kAllChannels : options.channel - 1;
    how.seconds = seconds;
    how.voltsAtFull = options.volts;
    return need(readTrack(file, how));
}

AskOptions optionsOf(const AskCommand& options, const std::string& key, const Library& library) {
    AskOptions out;
    out.from = options.from;
    if (options.window > 0.0) out.window = options.window;
    out.lanes = options.lanes;
    out.xy = options.xy;
    out.vowel = options.vowel;
    out.sidebands = options.sidebands;
    out.averaged = options.averaged;
    out.linear = options.linear;
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
        const auto it = std::ranges::find(options.jacks, options.trigger);
        if (it == options.jacks.end())
            refuse(fmt::format("\"{}\" is none of what is asked of, and so no trigger", options.trigger));
        out.trigger.by = Trigger::By::Edge;
        out.trigger.track = static_cast<int>(it - options.jacks.begin());
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

/// What a recording says of modules; several may speak of one.
void keepModules(const Answer& answer, const Workspace& workspace) {
    std::map<std::string, ModuleInfo> changed;
    for (const AskedOffer& offer : answer.offers) {
        if (!offer.change) continue;
        const auto [it, fresh] = changed.try_emplace(offer.module, *workspace.library.module(offer.module));
        it->second = need(offer.change(it->second));
    }
    for (const auto& [id, module] : changed) {
        if (const auto why = whyNot(module, workspace, Patch{})) throw Failed{*why};
        need(keepModule(module.description, ownDataFolder()));
    }
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
    auto* channel = command->add_option("--channel", options->channel, "Channel of a sound file, counted from 1");
    channel->check(CLI::Range(1, 64));
    command->add_flag("--mixed", options->mixed, "The mean of all its channels")->excludes(channel);
    command->add_option("--volts", options->volts, "Volts of full scale in a sound file: 10 of a mix, 1 of a probe")
        ->check(CLI::Range(0.001, 1000.0));
    command->add_flag("--real-case", options->realCase, "With what the metal adds");
    command->add_flag("--scenes", options->scenes, "Knobs follow the scenes");
    command->add_flag("--alone", options->bare, "No leader and no gate beside what is named");
    command->add_option("--window", options->window, "Of shape: seconds that the picture shows")
        ->check(CLI::Range(1e-5, 60.0));
    command->add_option("--trigger", options->trigger, "Of shape: the jack whose edge begins it, or free");
    auto* step = command->add_option("--step", options->step,
                                     "Of shape: the step that it begins with, counted from 1; of --track or --lane");
    step->check(CLI::Range(1, 64));
    command->add_option("--track", options->track, "Its track; default: the first")
        ->check(CLI::Range(1, 64))
        ->needs(step);
    command->add_option("--lane", options->lane, "Its lane")->check(CLI::Range(1, 64))->needs(step);
    command->add_option("--sequencer", options->sequencer, "Its post; needed where there are several")->needs(step);
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
    command->add_flag("--averaged", options->averaged, "Of content: of all there is, not of the loudest stretch");
    command->add_flag("--linear", options->linear, "Of content: hertz at even distances");
    command->add_flag("--alias", options->alias, "Of content: what the rate added, by a run at twice of it");
    command->add_option("--fit", options->fit, "Of real: knobs to find, post.knob,…; unknown: all that are")
        ->delimiter(',');
    command->add_flag("--keep", options->keep,
                      "Of real: keep in your own folder what it says of modules: tracking, level, DC, noise");
    command->add_option("--runs", options->runs, "Of real: silent runs at most")->check(CLI::Range(20, 5000));
    command->add_flag("--on-sheet", options->onSheet,
                      "Let the sheet of the patch ask it too, whenever it is printed; needs --out or --in-place");
    command->add_option("--picture", options->picture, "Write the answer as a picture, .svg or .png")->check(notEmpty);
    command->add_flag("--dark", options->dark, "In the dark colours");
    command->add_option("--csv", options->csv, "Write the figures as a table")->check(notEmpty);
    options->addOptions(*command);
    command->callback([options, &context] {
        const Workspace workspace = context.workspace();
        const Library& library = workspace.library;
        Asking asking;
        asking.question = *questionNamed(options->question);
        asking.seconds = options->seconds;
        asking.realCase = options->realCase;
        asking.scenes = options->scenes;
        asking.alone = options->bare;
        asking.twice = options->alias;
        asking.runs = options->runs;
        asking.fits = !options->fit.empty();
        const double seconds = options->seconds > 0.0 ? options->seconds + 4.0 : 60.0;
        std::optional<Patch> patch;
        if (isSound(options->file)) {
            if (asking.question == Question::Loud || asking.question == Question::Real || !options->tracking.empty() ||
                !options->jacks.empty())
                refuse(fmt::format("this is asked of a patch; {} is a recording", options->file.string()));
            asking.recordings.push_back(std::make_shared<const Trace>(recordingOf(*options, options->file, seconds)));
        } else {
            patch = need(openPatch(options->file, library));
        }
        for (const std::string& text : options->jacks)
            asking.jacks.push_back(text == "out" ? JackRef{} : readJack(text));
        if (asking.jacks.size() > kMostTracks)
            refuse(fmt::format("{} jacks at once are too many; {} are allowed", asking.jacks.size(), kMostTracks));
        for (const std::filesystem::path& file : options->recordings)
            asking.recordings.push_back(std::make_shared<const Trace>(recordingOf(*options, file, seconds)));
        if (asking.jacks.empty() && patch && asking.question != Question::Loud && asking.question != Question::Real)
            asking.jacks.push_back({});
        if (!options->against.empty()) {
            if (isSound(options->against)) {
                asking.recordings.push_back(
                    std::make_shared<const Trace>(recordingOf(*options, options->against, seconds)));
            } else {
                auto other = std::make_shared<const Patch>(need(openPatch(options->against, library)));
                asking.againstName = other->title;
                asking.against = std::move(other);
            }
        }
        if (options->step > 0) {
            if (!patch) refuse("a recording has no steps");
            const Sequencer sequencer = sequencerNamed(*patch, library, options->sequencer);
            const bool lane = options->lane > 0;
            const int index = std::max(1, lane ? options->lane : options->track) - 1;
            asking.step = StepAt{{sequencer.post, lane, index}, options->step - 1};
        }
        if (!options->tracking.empty()) asking.played = readJack(options->tracking);
        for (const std::string& text : options->fit) {
            if (text == "unknown") continue; // all that is unknown in the patch
            const JackRef knob = readJack(text);
            asking.knobs.push_back({knob.post, knob.jack});
        }
        asking.options = optionsOf(*options, patch ? patch->key : std::string(), library);
        const Answer answer = need(answerTo(asking, patch ? &*patch : nullptr, library));
        if (asking.fits && (options->inPlace || !options->out.empty()))
            options->write(need(applyEdits(*patch, answer.offers.empty() ? Edits{} : answer.offers.front().edits)));
        if (options->onSheet) {
            if (!patch) refuse(fmt::format("{} is a recording, and has no sheet", options->file.string()));
            options->write(need(applyEdit(*patch, AskOnSheet{need(forSheet(asking))})));
        }
        if (options->keep) keepModules(answer, workspace);
        tell(*options, answer, context.json);
    });
}

} // namespace lariat::cli
