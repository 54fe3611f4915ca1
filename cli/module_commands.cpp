// module: a module as lines, made from lines, tried on a stand, and its knobs calibrated.
#include "ask/track.h"
#include "cli/commands.h"
#include "engine/render.h"
#include "library/check.h"
#include "maker/calibrate_module.h"
#include "maker/keep_module.h"
#include "maker/module_text.h"
#include "maker/stand.h"
#include "maker/values.h"
#include "measure/measure.h"
#include "measure/reading.h"
#include "model/audio_file.h"
#include "model/file.h"
#include "units/letters.h"
#include "units/pitch.h"

#include <cmath>
#include <iostream>

#include <CLI/CLI.hpp>
#include <fmt/format.h>

namespace lariat::cli {
namespace {

/// A module by its id, or out of a file.
ModuleInfo moduleNamed(const std::string& name, const Workspace& workspace) {
    if (const ModuleInfo* module = workspace.library.module(name)) return *module;
    if (name.find('.') == std::string::npos && name.find('/') == std::string::npos)
        refuse(fmt::format("there is no module \"{}\"; lariat-cli modules lists them", name));
    return need(readModuleFile(name));
}

/// Where a module goes that was made or changed.
struct ModuleTarget {
    std::filesystem::path out;
    bool keep = false;

    void addTo(CLI::App& command) {
        command.add_option("--out", out, "Write its description here")->check(notEmpty);
        command.add_flag("--keep", keep, "Keep it in your own folder, where the program finds it");
    }
    void write(const ModuleInfo& module, const Workspace& workspace) const {
        if (keep) {
            if (const auto why = whyNot(module, workspace, Patch{})) throw Failed{*why};
            need(keepModule(module.description, ownDataFolder()));
        }
        if (!out.empty()) need(writeFile(out, writeModule(module.description), FileKind::Document));
    }
    [[nodiscard]] bool given() const { return keep || !out.empty(); }
};

void addModuleWords(CLI::App& module, Context& context) {
    auto name = std::make_shared<std::string>();
    auto* command = module.add_subcommand("words", "A module as lines, to be changed and made anew");
    giveExamples(*command, "  lariat-cli module words cask-drum > my-drum.txt");
    command->add_option("module", *name, "Its id, or a file")->required();
    command->callback([name, &context] {
        const std::string text = writeModuleText(moduleNamed(*name, context.workspace()).description);
        if (context.json)
            std::cout << dump({{"lines", text}});
        else
            std::cout << text;
    });
}

void addMakeModule(CLI::App& module, Context& context) {
    struct Options {
        std::filesystem::path text;
        ModuleTarget target;
    };
    auto options = std::make_shared<Options>();
    auto* command =
        module.add_subcommand("make", "A module out of lines; without --out or --keep it is only looked at");
    giveExamples(*command, "  lariat-cli module make my-drum.txt\n  lariat-cli module make my-drum.txt --keep");
    command->add_option("lines", options->text, "File of lines")->required();
    options->target.addTo(*command);
    command->callback([options, &context] {
        const Workspace workspace = context.workspace();
        const ModuleText text = readModuleText(need(readFile(options->text)));
        if (!text.module) {
            // All of them: who writes a module mends several lines at a time.
            Json faults = Json::array();
            for (const Fault& fault : text.faults) {
                faults.push_back({{"line", fault.line}, {"reason", fault.reason.str()}});
                if (!context.json)
                    std::cerr << fmt::format("{}: line {}: {}\n", options->text.string(), fault.line,
                                             fault.reason.str());
            }
            if (context.json) std::cout << dump({{"faults", faults}});
            context.exitCode = 2;
            return;
        }
        const ModuleInfo made = need(resolveModule(*text.module));
        options->target.write(made, workspace);
        std::size_t jacks = 0;
        std::size_t knobs = 0;
        for (const PartInfo& part : made.parts) {
            jacks += part.jacks.size();
            knobs += part.knobs.size();
        }
        if (context.json)
            std::cout << dump({{"id", made.description.id},
                               {"name", made.description.name},
                               {"hp", made.description.hp},
                               {"parts", made.parts.size()},
                               {"jacks", jacks},
                               {"knobs", knobs},
                               {"kept", options->target.keep}});
        else
            fmt::print("{} ({}): {} HP, {} parts, {} jacks, {} knobs and switches\n", made.description.name,
                       made.description.id, made.description.hp, made.parts.size(), jacks, knobs);
    });
}

void addTryModule(CLI::App& module, Context& context) {
    struct Options {
        std::string module;
        std::filesystem::path out;
        double seconds = 8.0;
    };
    auto options = std::make_shared<Options>();
    auto* command = module.add_subcommand("try", "A module on the test stand: what comes out of each of its jacks");
    giveExamples(*command, "  lariat-cli module try cask-drum --out cask.wav");
    command->add_option("module", options->module, "Its id, or a file")->required();
    command->add_option("--seconds", options->seconds, "For how long")->check(CLI::Range(0.5, 120.0));
    command->add_option("--out", options->out, "Write what is heard here, as WAV")->check(notEmpty);
    command->callback([options, &context] {
        const Workspace workspace = context.workspace();
        const ModuleInfo made = moduleNamed(options->module, workspace);
        const Stand stand = makeStand(made, workspace.library, StandView::Panel);
        RenderOptions how;
        how.seconds = options->seconds;
        for (const PartInfo& part : made.parts)
            for (const JackInfo& jack : part.jacks)
                if (jack.output) how.probes.push_back({"made-" + part.id, jack.id});
        const Rendering rendering = need(render(stand.patch, stand.workspace.library, how));
        if (!options->out.empty()) need(writeWav(options->out, rendering.mix, 2, rendering.fileRate));
        Json jacks = Json::array();
        for (const JackRef& probe : how.probes) {
            const JackInfo* jack = stand.workspace.library.jack(stand.patch, probe);
            const Reading reading = readRecording(rendering.probes.at(probe), rendering.engineRate, jack->kind);
            const std::string name = stand.patch.post(probe.post)->name + " " + jack->name;
            if (context.json)
                jacks.push_back({{"jack", name}, {"range", rangeText(reading)}, {"detail", detailText(reading)}});
            else
                fmt::print("{:<32} {} {}\n", name, rangeText(reading), detailText(reading));
        }
        if (context.json) std::cout << dump({{"module", made.description.id}, {"outputs", jacks}});
    });
}

/// "412 Hz at 10:20"; of a recording, "take.wav at 10:20".
Mark readMark(const std::string& text, const KnobInfo& knob, double fullScale) {
    const auto at = text.rfind(" at ");
    const auto fraction = at == std::string::npos ? std::nullopt : parseClockHand(trimmed(text.substr(at + 4)));
    if (!fraction)
        refuse(fmt::format("\"{}\" is no reading; write \"412 Hz at 10:20\" or \"take.wav at 10:20\"", text));
    const std::string value(trimmed(text.substr(0, at)));
    if (value.ends_with(".wav") || value.ends_with(".flac")) {
        const auto heard = heardOf(knob);
        if (!heard) refuse(fmt::format("a recording cannot tell {}; give its readings", knob.name));
        const AudioFile file = need(readAudio(value));
        std::vector<float> volts;
        for (std::size_t i = 0; i < file.samples.size(); i += static_cast<std::size_t>(file.channels))
            volts.push_back(file.samples[i] * static_cast<float>(fullScale));
        auto read = hearReading(*heard, volts, file.rate);
        if (!read) read.error().file = value;
        return {*fraction, need(std::move(read))};
    }
    const auto read = knob.scale.parse(value);
    if (!read) refuse(fmt::format("\"{}\" is no value of {}: {}", value, knob.name, knob.scale.expectation()));
    return {*fraction, *read};
}

void addCalibrateKnob(CLI::App& module, Context& context) {
    struct Options {
        std::string module, part, knob, law;
        std::vector<std::string> readings;
        double fullScale = 10.0;
        bool clear = false;
        ModuleTarget target;
    };
    auto options = std::make_shared<Options>();
    auto* command = module.add_subcommand(
        "calibrate", "Fits the scale of a knob to what was read off the metal, and tells what is left");
    giveExamples(
        *command,
        "  lariat-cli module calibrate glowworm-filter cutoff --read \"60 Hz at 8:00\" \\\n"
        "      --read \"412 Hz at 10:30\" --read \"5.2 kHz at 3:00\" --keep\n"
        "  lariat-cli module calibrate ripple-lfo rate --read \"slow.wav at 8:00\" --read \"fast.wav at 4:00\"");
    command->add_option("module", options->module, "Its id, or a file")->required();
    command->add_option("knob", options->knob, "Its id")->required();
    command->add_option("--part", options->part, "Part of the module; needed where it has several");
    command->add_option("--read", options->readings, "\"412 Hz at 10:20\", or \"take.wav at 10:20\"");
    command->add_option("--law", options->law,
                        "linear, exponential, logarithmic or points; else the one that tells best");
    command->add_option("--full-scale", options->fullScale, "Volts of a recording's full scale")
        ->check(CLI::Range(0.01, 100.0));
    command->add_flag("--clear", options->clear, "As its maker left it");
    options->target.addTo(*command);
    command->callback([options, &context] {
        const Workspace workspace = context.workspace();
        const ModuleInfo before = moduleNamed(options->module, workspace);
        const std::string part =
            options->part.empty() && before.parts.size() == 1 ? before.parts.front().id : options->part;
        const PartInfo* info = before.part(part);
        if (!info) {
            std::vector<std::string> names;
            for (const PartInfo& one : before.parts) names.push_back(one.id);
            refuse(fmt::format("say which part with --part: {}", fmt::join(names, ", ")));
        }
        const KnobInfo* knob = info->knob(options->knob);
        if (!knob) refuse(fmt::format("{} has no knob \"{}\"", info->name, options->knob));
        Calibration calibration;
        Json points = Json::array();
        if (!options->clear) {
            std::optional<Law> law;
            if (!options->law.empty() && !(law = lawNamed(options->law)))
                refuse(fmt::format("there is no law \"{}\"; there are linear, exponential, logarithmic, points",
                                   options->law));
            for (const std::string& text : options->readings)
                calibration.readings.push_back(readMark(text, *knob, options->fullScale));
            Scale scale = knob->scale;
            scale.marks.clear();
            const auto fitted = calibrate(scale, calibration.readings, law);
            if (!fitted) throw Failed{Error{{}, knob->id, fitted.error()}};
            calibration.law = fitted->law;
            if (!context.json) fmt::print("law: {}\n", lawName(fitted->law));
            for (std::size_t i = 0; i < fitted->readings.size(); ++i) {
                const Mark& mark = fitted->readings[i];
                points.push_back({{"at", clockHand(mark.fraction)},
                                  {"read", mark.value},
                                  {"law", mark.value - fitted->off[i]},
                                  {"minutes", fitted->offMinutes[i]}});
                if (!context.json)
                    fmt::print("{:>5}  read {}, the law says {}: {:+.1f} minutes of the dial\n",
                               clockHand(mark.fraction), knob->scale.text(mark.value),
                               knob->scale.text(mark.value - fitted->off[i]), fitted->offMinutes[i]);
            }
        }
        const ModuleInfo after = need(withCalibration(before, part, options->knob, calibration));
        options->target.write(after, workspace);
        if (context.json)
            std::cout << dump({{"module", after.description.id},
                               {"knob", options->knob},
                               {"law", options->clear ? "" : lawName(calibration.law)},
                               {"readings", points},
                               {"kept", options->target.given()}});
        else if (options->clear)
            fmt::print("{} of {} is as its maker left it\n", knob->name, info->name);
    });
}

/// "C2 = 65.9 Hz", or "C2 = low.wav": the pitch of a recording.
PlayedNote readPlayed(const std::string& text) {
    const auto equals = text.find('=');
    const auto trimmed = [](std::string part) {
        while (!part.empty() && part.front() == ' ') part.erase(part.begin());
        while (!part.empty() && part.back() == ' ') part.pop_back();
        return part;
    };
    const auto note = equals == std::string::npos ? std::nullopt : parseNote(trimmed(text.substr(0, equals)));
    if (!note) refuse(fmt::format("\"{}\" should be written \"C2 = 65.9 Hz\" or \"C2 = low.wav\"", text));
    const std::string what = trimmed(text.substr(equals + 1));
    PlayedNote out{static_cast<double>(*note), 0.0};
    if (const auto hertz = Scale{Unit::Hertz, 1.0, 20000.0}.parse(what)) {
        out.hertz = *hertz;
        return out;
    }
    const Trace trace = need(readTrack(what, {}));
    const auto pitch = measurePitch(trace.volts, trace.rate, {1e-3});
    if (!pitch || pitch->clarity < 0.9) refuse(fmt::format("{} holds no steady pitch", what));
    out.hertz = pitch->hertz.value;
    return out;
}

void addModuleTune(CLI::App& module, Context& context) {
    struct Options {
        std::string module;
        std::string jack;
        std::vector<std::string> notes;
        ModuleTarget target;
    };
    auto options = std::make_shared<Options>();
    auto* command = module.add_subcommand(
        "tune",
        "How wide an octave of a pitch input is on the metal: which notes to record, and what follows from them");
    giveExamples(*command,
                 "  lariat-cli module tune keel-vco-pair a.voct\n"
                 "  lariat-cli module tune keel-vco-pair a.voct --note \"C2 = 65.9 Hz\" --note \"C4 = 262.1 Hz\" \\\n"
                 "      --note \"C6 = high.wav\" --keep");
    command->add_option("module", options->module, "Its id, or a file")->required();
    command->add_option("jack", options->jack, "part.jack of a pitch input")->required();
    command->add_option("--note", options->notes, "\"C2 = 65.9 Hz\", or a recording of it, \"C2 = low.wav\"");
    options->target.addTo(*command);
    command->callback([options, &context] {
        const Workspace workspace = context.workspace();
        const ModuleInfo before = moduleNamed(options->module, workspace);
        const JackRef at = readJack(options->jack);
        (void)need(withTracking(before, at.post, at.jack, 0.0)); // there is such a jack
        if (options->notes.empty()) {
            fmt::print("Play these into {}, let each stand for two seconds, and record or read its pitch:\n",
                       options->jack);
            for (const int note : kNotesToRecord)
                fmt::print("  {:<3} {:+.0f} V, should be {:.2f} Hz\n", noteName(note), noteToVolts(note).value,
                           noteToHertz(note).value);
            fmt::print("Tune the middle one by ear first; the outer two tell how wide an octave is.\n");
            return;
        }
        std::vector<PlayedNote> notes;
        for (const std::string& text : options->notes) notes.push_back(readPlayed(text));
        const Tracked tracked = need(trackingOf(notes));
        options->target.write(need(withTracking(before, at.post, at.jack, tracked.centsPerOctave)), workspace);
        if (context.json) {
            std::cout << dump({{"cents-per-octave", tracked.centsPerOctave},
                               {"middle-cents", tracked.middle},
                               {"off-cents", tracked.off},
                               {"kept", options->target.given()}});
            return;
        }
        fmt::print("an octave is {:+.1f} cents {}, the whole stands {:+.1f} cents off\n", tracked.centsPerOctave,
                   tracked.centsPerOctave < 0.0 ? "too narrow" : "too wide", tracked.middle);
        for (std::size_t i = 0; i < notes.size(); ++i)
            fmt::print("  {:<3} {:.2f} Hz, {:+.1f} cents beside that line\n",
                       noteName(static_cast<int>(std::lround(notes[i].note))), notes[i].hertz, tracked.off[i]);
    });
}

} // namespace

void addModule(CLI::App& app, Context& context) {
    auto* module = app.add_subcommand("module", "Modules of your own: written, tried, calibrated");
    module->require_subcommand(1);
    addModuleWords(*module, context);
    addMakeModule(*module, context);
    addTryModule(*module, context);
    addBoxModule(*module, context);
    addCalibrateKnob(*module, context);
    addModuleTune(*module, context);
}

} // namespace lariat::cli
