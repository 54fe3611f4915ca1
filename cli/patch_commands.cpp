// check, tie and sheet: what one does with a patch file.
#include "building/sentences.h"
#include "cli/commands.h"
#include "findings/finding.h"
#include "library/check.h"
#include "library/midi_file.h"
#include "library/tie.h"
#include "log/differences.h"
#include "model/file.h"
#include "sheet/sheet.h"

#include <algorithm>
#include <iostream>
#include <set>

#include <CLI/CLI.hpp>
#include <fmt/format.h>

namespace lariat::cli {
namespace {

Json findingJson(const Finding& finding, const Patch& patch) {
    Json fixes = Json::array();
    for (const Fix& fix : finding.fixes) fixes.push_back(fix.label.str());
    Json walk = Json::array();
    for (const Link& link : finding.walk)
        walk.push_back({{"jack", link.jack.text()}, {"row", patch.row(link.cable)}, {"reading", link.reading.str()}});
    return {{"rule", finding.rule},
            {"severity", severityName(finding.severity)},
            {"row", patch.row(finding.cable)},
            {"post", finding.post},
            {"figure", finding.figure.str()},
            {"reason", finding.reason.str()},
            {"fixes", fixes},
            {"walk", walk}};
}

void printFinding(const Finding& finding, const Observation& o, bool why) {
    const std::string where =
        finding.cable ? fmt::format("cable {}", o.patch.row(finding.cable)) : o.nameOf(finding.post);
    fmt::print("{} ({}): {}\n    {}\n", where, finding.rule, finding.figure.str(), finding.reason.str());
    for (std::size_t i = 0; i < finding.fixes.size(); ++i)
        fmt::print("    fix {}: {}\n", i + 1, finding.fixes[i].label.str());
    if (!why) return;
    for (const Link& link : finding.walk)
        fmt::print("    why: {} · {}\n", linkName(link, o.patch, *o.library), link.reading.str());
}

constexpr int kMostFixes = 40;

/// Applies cures that were tried, one after another, each as long as it leaves less to find than there was.
void mend(Patch& patch, Observation& o, std::vector<Finding>& findings, const Workspace& workspace, bool tells) {
    const auto weight = [](const std::vector<Finding>& all) {
        int sum = 0;
        for (const Finding& finding : all)
            sum += finding.severity == Severity::Mistake ? 100 : finding.severity == Severity::Caution ? 1 : 0;
        return sum;
    };
    std::set<std::string> useless; // cures after which there was no less to find
    for (int round = 0; round < kMostFixes; ++round) {
        const auto curable = std::ranges::find_if(findings, [&](const Finding& f) {
            return isProblem(f) && !f.fixes.empty() && !useless.contains(f.fixes.front().label.str());
        });
        if (curable == findings.end()) break;
        const std::string label = curable->fixes.front().label.str();
        Patch mended = need(applyEdits(patch, curable->fixes.front().edits));
        Observation now = need(observe(mended, workspace.library, workspace.housing(mended)));
        std::vector<Finding> left = need(findEverything(now)).open;
        // What a silent voice hid may come to light: the silence is gone all the same.
        const bool silent = curable->rule == "no-sound" || curable->rule == "closed";
        if (weight(left) >= weight(findings) && !silent) {
            useless.insert(label);
            continue;
        }
        useless.insert(label);
        patch = std::move(mended);
        o = std::move(now);
        findings = std::move(left);
        if (tells) fmt::print("done: {}\n", label);
    }
}

using PatchArgument = Destination;

} // namespace

void addCheck(CLI::App& app, Context& context) {
    struct Options : PatchArgument {
        bool fix = false;
        bool why = false;
    };
    auto options = std::make_shared<Options>();
    auto* command = app.add_subcommand("check", "Run a patch silently and list what is wrong with it");
    giveExamples(*command, "  lariat-cli check data/demo/lamp.json\n"
                           "  lariat-cli check data/demo/lamp.json --fix --out mended.json");
    command->add_option("patch", options->file, "Patch file")->required();
    command->add_flag("--fix", options->fix,
                      "Apply cures that were tried, as long as they leave less to find, and write the patch to --out");
    command->add_flag("--why", options->why, "Show the way to each finding, link by link, with what is measured there");
    options->addOptions(*command);
    command->callback([options, &context] {
        const Workspace workspace = context.workspace();
        Patch patch = need(openPatch(options->file, workspace.library));
        Observation o = need(observe(patch, workspace.library, workspace.housing(patch)));
        auto [findings, dismissed, untried] = need(findEverything(o));
        Json all = Json::array();
        for (const Finding& finding : findings) {
            if (finding.severity == Severity::Mistake) context.exitCode = 1;
            if (context.json)
                all.push_back(findingJson(finding, patch));
            else
                printFinding(finding, o, options->why);
        }
        if (!context.json)
            for (const Dismissed& kept : dismissed) fmt::print("kept ({}): {}\n", kept.finding.rule, kept.because);
        if (options->fix) {
            mend(patch, o, findings, workspace, !context.json);
            options->write(patch);
            context.exitCode = std::ranges::count(findings, Severity::Mistake, &Finding::severity) > 0 ? 1 : 0;
        }
        if (context.json)
            std::cout << dump(all);
        else
            fmt::print("{} findings in {} cables\n", findings.size(), patch.cables.size());
        if (!context.json && untried > 0)
            fmt::print("{} cures could not be tried in time, and are not offered\n", untried);
    });
}

void addTie(CLI::App& app, Context& context) {
    struct Options : PatchArgument {
        std::vector<std::string> sentences;
    };
    auto options = std::make_shared<Options>();
    auto* command = app.add_subcommand(
        "tie", "Build by sentences: tie cables, take parts from the case, turn knobs, give names and notes");
    giveExamples(*command,
                 "  lariat-cli tie data/demo/lamp.json \"lfo sine to follower pwm\" --out changed.json\n"
                 "  lariat-cli tie mine.json \"another vca out to mixer in 3; vca 2 offset 40 %\" --in-place");
    command->add_option("patch", options->file, "Patch file")->required();
    command->add_option("sentences", options->sentences, "One sentence a cable, knob, name or note")->required();
    options->addOptions(*command);
    command->callback([options, &context] {
        const Workspace workspace = context.workspace();
        Patch patch = need(openPatch(options->file, workspace.library));
        const Sentences said = need(readSentences(fmt::format("{}", fmt::join(options->sentences, "\n")), patch,
                                                  workspace.library, workspace.housing(patch)));
        patch = need(applyEdits(patch, said.edits).and_then([&](Patch made) {
            return checkPatch(std::move(made), workspace.library);
        }));
        options->write(patch);
        const auto line = [&](const JackRef& input) {
            return fmt::format("{} to {}", tieName(patch.cableInto(input)->from, patch, workspace.library),
                               tieName(input, patch, workspace.library));
        };
        if (context.json) {
            Json tied = Json::array();
            for (const JackRef& input : said.tied) tied.push_back(line(input));
            std::cout << dump({{"tied", tied}, {"taken", said.taken}, {"others", said.others}});
            return;
        }
        for (const std::string& taken : said.taken) fmt::print("took {}\n", taken);
        for (const JackRef& input : said.tied) fmt::print("tied {}\n", line(input));
        if (said.others > 0) fmt::print("{} knobs, names and notes\n", said.others);
    });
}

void addDiff(CLI::App& app, Context& context) {
    struct Options {
        std::filesystem::path before;
        std::filesystem::path after;
    };
    auto options = std::make_shared<Options>();
    auto* command = app.add_subcommand("diff", "Say what is different in the second of two patches");
    giveExamples(*command, "  lariat-cli diff data/demo/lamp.json data/demo/engine-room.json");
    command->add_option("before", options->before, "Patch file")->required();
    command->add_option("after", options->after, "Patch file")->required();
    command->callback([options, &context] {
        const Workspace workspace = context.workspace();
        const Patch before = need(openPatch(options->before, workspace.library));
        const Patch after = need(openPatch(options->after, workspace.library));
        Json all = Json::array();
        for (const Difference& one : differences(before, after, workspace.library)) {
            if (one.group == Difference::Group::SmallPrint) continue;
            all.push_back(inOneLine(one));
            if (!context.json) fmt::print("{}\n", inOneLine(one));
        }
        if (context.json) std::cout << dump(all);
        if (!context.json && all.empty()) fmt::print("nothing is different\n");
        context.exitCode = all.empty() ? 0 : 1;
    });
}

void addMidi(CLI::App& app, Context& context) {
    struct Options : Destination {
        std::filesystem::path midi;
        std::string post;
        double length = 0.0;
        bool toMidi = false;
    };
    auto options = std::make_shared<Options>();
    auto* command =
        app.add_subcommand("midi", "Take a MIDI file into a patch as what is played at a post, or write it out");
    giveExamples(*command,
                 "  lariat-cli midi tune.mid --patch data/demo/first-voice.json --post keys --out played.json\n"
                 "  lariat-cli midi out.mid --patch data/demo/first-voice.json --post keys --write");
    command->add_option("file", options->midi, "MIDI file")->required();
    command->add_option("--patch", options->file, "Patch file")->required();
    command->add_option("--post", options->post, "Keys, MIDI converter or pad")->required();
    command->add_option("--length", options->length, "Play it again after that many beats")
        ->check(CLI::NonNegativeNumber);
    options->addOptions(*command);
    command->add_flag("--write", options->toMidi, "The other way: write what the patch plays there into the MIDI file");
    command->callback([options, &context] {
        const Workspace workspace = context.workspace();
        const Patch patch = need(openPatch(options->file, workspace.library));
        if (options->toMidi) {
            const Performance* played = patch.performance(options->post);
            if (!played) throw Failed{{options->file.string(), {}, say("nothing is played at \"{}\"", options->post)}};
            return need(writeMidiFile(options->midi, *played));
        }
        const MidiImport read = need(readMidiFile(options->midi, options->post));
        Performance played = read.performance;
        played.lengthBeats = options->length;
        const auto count = played.messages.size();
        const Patch changed = need(applyEdit(patch, SetPerformance{std::move(played)}).and_then([&](Patch next) {
            return checkPatch(std::move(next), workspace.library);
        }));
        options->write(changed);
        if (context.json)
            std::cout << dump({{"messages", count}, {"left-out", read.systemMessages + read.marks}});
        else
            fmt::print("{} messages are played at {} now{}\n", count, options->post,
                       read.leftOut().empty() ? "" : "; left out: " + read.leftOut());
    });
}

} // namespace lariat::cli
