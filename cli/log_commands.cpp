// log: takes of patches, found again, told apart, brought together.
#include "cli/commands.h"
#include "cli/language.h"
#include "findings/finding.h"
#include "library/check.h"
#include "log/merge.h"
#include "logbook/exchange.h"
#include "model/file.h"

#include <charconv>
#include <iostream>

#include <CLI/CLI.hpp>
#include <QCoreApplication>
#include <QDateTime>
#include <fmt/format.h>

namespace lariat::cli {
namespace {

struct LogOptions {
    std::filesystem::path log;
};
using Common = std::shared_ptr<LogOptions>;

/// Qt looks for its driver of the database by the program.
Logbook openLog(const LogOptions& options) {
    static int argc = 1;
    static char name[] = "lariat-cli";
    static char* argv[] = {name, nullptr};
    static const QCoreApplication application(argc, argv);
    return need(Logbook::open(options.log.empty() ? ownLog() : options.log));
}

std::int64_t nowMs() {
    return QDateTime::currentMSecsSinceEpoch();
}

std::string timeText(std::int64_t at) {
    return QDateTime::fromMSecsSinceEpoch(at).toString(QStringLiteral("yyyy-MM-dd HH:mm")).toStdString();
}

Json lineJson(const TakeLine& line) {
    return {{"id", line.id},
            {"parent", line.parent},
            {"at", line.at},
            {"name", takeName(line)},
            {"title", line.title},
            {"made", takeKindText(line.kind).str()},
            {"rating", line.label.rating},
            {"tags", line.label.tags},
            {"notes", line.label.notes},
            {"sound", line.hasSound}};
}

void printLine(const TakeLine& line, int lane = 0) {
    std::string tags;
    for (const std::string& tag : line.label.tags) tags += " #" + tag;
    fmt::print("{:>5}  {}  {}{}{}{}\n", line.id, timeText(line.at),
               std::string(static_cast<std::size_t>(2 * lane), ' '), takeName(line),
               line.label.rating > 0 ? fmt::format("  rated {}", line.label.rating) : "", tags);
}

/// A take by its number, or a patch file.
Patch patchNamed(const std::string& text, const Logbook& log, const Library& library) {
    std::int64_t id = 0;
    const auto [end, error] = std::from_chars(text.data(), text.data() + text.size(), id);
    if (error == std::errc{} && end == text.data() + text.size()) return need(log.take(id)).patch;
    return need(openPatch(text, library));
}

void addTake(CLI::App& log, Context& context, const Common& common) {
    struct Options {
        std::filesystem::path patch;
        TakeLabel label;
        std::int64_t parent = -1;
        bool silent = false;
        std::string at;
    };
    auto options = std::make_shared<Options>();
    auto* command = log.add_subcommand("take", "Keep a patch as it is, with its sound, what it measures and its case");
    giveExamples(*command,
                 "  lariat-cli log take data/demo/lamp.json --name \"leader a fifth up\" --tag lead --rating 4");
    command->add_option("patch", options->patch, "Patch file")->required();
    command->add_option("--name", options->label.name, "What it is called");
    command->add_option("--notes", options->label.notes, "What is to be said of it");
    command->add_option("--tag", options->label.tags, "A tag; may be given several times");
    command->add_option("--rating", options->label.rating, "1 to 5")->check(CLI::Range(1, 5));
    command->add_option("--from", options->parent, "The take it came from; default: the newest one of the same title");
    command->add_option("--at", options->at, "When it was, as in 2026-11-03T20:05; default: now");
    command->add_flag("--no-sound", options->silent, "Figures and picture only");
    command->callback([options, common, &context] {
        const Workspace workspace = context.workspace();
        const Patch patch = need(openPatch(options->patch, workspace.library));
        Logbook book = openLog(*common);
        const Observation o = need(observe(patch, workspace.library, workspace.housing(patch)));
        const auto open = need(findEverything(o)).open;
        NewTake take = need(makeTake(
            patch, workspace.library, rigOf(patch, workspace),
            {.sound = !options->silent, .findings = static_cast<int>(std::ranges::count_if(open, isProblem))}));
        take.label = options->label;
        take.at = nowMs();
        if (!options->at.empty()) {
            const QDateTime at = QDateTime::fromString(QString::fromStdString(options->at), Qt::ISODate);
            if (!at.isValid()) refuse(fmt::format("\"{}\" is no moment: write 2026-11-03T20:05", options->at));
            take.at = at.toMSecsSinceEpoch();
        }
        take.parent = options->parent;
        if (take.parent < 0) {
            take.parent = 0;
            for (const TakeLine& line : need(book.list()))
                if (line.title == patch.title) {
                    take.parent = line.id;
                    break;
                }
        } else if (take.parent > 0) {
            (void)need(book.take(take.parent)); // it has to be there
        }
        const auto id = need(book.add(take, workspace.library));
        if (context.json) {
            Json out = {{"id", id}, {"parent", take.parent}, {"figures", Json::object()}};
            for (const auto& [name, value] : take.figures) out["figures"][name] = value;
            std::cout << dump(out);
            return;
        }
        fmt::print("take {}\n", id);
        for (const FigureInfo& info : allFigures())
            if (const auto found = take.figures.find(info.id); found != take.figures.end())
                fmt::print("  {}: {}\n", info.name, figureText(info, found->second));
    });
}

void addList(CLI::App& log, Context& context, const Common& common, const char* name, const char* about) {
    struct Options {
        std::string query;
        std::size_t most = 100;
    };
    auto options = std::make_shared<Options>();
    auto* command = log.add_subcommand(name, about);
    giveExamples(*command, fmt::format("  lariat-cli log {} \"kick, tail D1, decay 300-500 ms, no findings\"\n"
                                       "  lariat-cli log {} \"#drone, rated 4, since 2026-11-01\"",
                                       name, name));
    auto* query =
        command->add_option("query", options->query, "Words, figures, #tags, days; parts told apart by commas");
    if (std::string_view(name) == "find") query->required();
    command->add_option("--most", options->most, "How many at most")->capture_default_str();
    command->callback([options, common, &context] {
        const Logbook book = openLog(*common);
        const TakeQuery wanted = need(readQuery(options->query, midnightBefore(nowMs())));
        const auto lines = need(book.list(wanted, options->most));
        if (context.json) {
            Json out = Json::array();
            for (const TakeLine& line : lines) out.push_back(lineJson(line));
            std::cout << dump(out);
            return;
        }
        const std::vector<int> lanes = wanted.empty() ? lanesOf(lines) : std::vector<int>(lines.size(), 0);
        for (std::size_t i = 0; i < lines.size(); ++i) printLine(lines[i], lanes[i]);
        if (lines.empty()) fmt::print("no take{}\n", wanted.empty() ? " yet; log take keeps one" : " is like that");
    });
}

void addShow(CLI::App& log, Context& context, const Common& common) {
    struct Options {
        std::int64_t id = 0;
        std::filesystem::path out, sound;
    };
    auto options = std::make_shared<Options>();
    auto* command = log.add_subcommand("show", "What is known of a take; its patch and its sound as files");
    giveExamples(*command, "  lariat-cli log show 14 --out lamp-14.json --sound lamp-14.flac");
    command->add_option("take", options->id, "Its number")->required();
    command->add_option("--out", options->out, "Write its patch here")->check(notEmpty);
    command->add_option("--sound", options->sound, "Write its sound here, FLAC")->check(notEmpty);
    command->callback([options, common, &context] {
        const Logbook book = openLog(*common);
        const Take take = need(book.take(options->id));
        const Workspace workspace = context.workspace();
        const auto changes = rigChanges(take.rig, take.patch, workspace);
        if (!options->out.empty()) need(writeFile(options->out, writePatch(take.patch), FileKind::Patch));
        if (!options->sound.empty()) {
            const std::string flac = need(book.sound(options->id));
            if (flac.empty()) refuse(fmt::format("take {} has no sound", options->id));
            need(writeFile(options->sound, flac, FileKind::Sound));
        }
        if (context.json) {
            Json out = lineJson(take);
            out["figures"] = Json::object();
            for (const auto& [name, value] : take.figures) out["figures"][name] = value;
            out["other-now"] = Json::array();
            for (const Sentence& change : changes) out["other-now"].push_back(change.str());
            std::cout << dump(out);
            return;
        }
        printLine(take);
        if (!take.label.notes.empty()) fmt::print("{}\n", take.label.notes);
        for (const FigureInfo& info : allFigures())
            if (const auto found = take.figures.find(info.id); found != take.figures.end())
                fmt::print("  {}: {}\n", info.name, figureText(info, found->second));
        for (const Sentence& change : changes) fmt::print("  {}\n", change.str());
    });
}

void addLogDiff(CLI::App& log, Context& context, const Common& common) {
    struct Options {
        std::string before, after;
    };
    auto options = std::make_shared<Options>();
    auto* command = log.add_subcommand("diff", "What is different in the second of two takes, or patch files");
    giveExamples(*command, "  lariat-cli log diff 11 14\n  lariat-cli log diff 14 lamp-now.json");
    command->add_option("before", options->before, "A take's number, or a patch file")->required();
    command->add_option("after", options->after, "The same")->required();
    command->callback([options, common, &context] {
        const Logbook book = openLog(*common);
        const Workspace workspace = context.workspace();
        const auto all = differences(patchNamed(options->before, book, workspace.library),
                                     patchNamed(options->after, book, workspace.library), workspace.library);
        const auto figuresOf = [&](const std::string& text) {
            std::int64_t id = 0;
            const auto [end, error] = std::from_chars(text.data(), text.data() + text.size(), id);
            return error == std::errc{} && end == text.data() + text.size() ? need(book.take(id)).figures : Figures{};
        };
        const Figures before = figuresOf(options->before);
        const Figures after = figuresOf(options->after);
        Json changed = Json::array();
        Json heard = Json::array();
        for (const Difference& one : all) {
            changed.push_back(inOneLine(one));
            if (!context.json) fmt::print("{:<12} {}\n", groupName(one.group).str(), inOneLine(one));
        }
        for (const FigureInfo& info : allFigures()) {
            const auto a = before.find(info.id);
            const auto b = after.find(info.id);
            if (a == before.end() || b == after.end()) continue;
            const Sentence by = figureDifference(info, a->second, b->second);
            if (by.empty()) continue;
            heard.push_back({{"figure", info.id}, {"before", a->second}, {"after", b->second}, {"text", by.str()}});
            if (!context.json)
                fmt::print("{:<12} {}: {} → {}, {}\n", "heard", info.name, figureText(info, a->second),
                           figureText(info, b->second), by.str());
        }
        if (context.json)
            std::cout << dump({{"changed", changed}, {"heard", heard}});
        else if (all.empty())
            fmt::print("nothing is different\n");
        context.exitCode = all.empty() ? 0 : 1;
    });
}

void addMerge(CLI::App& log, Context& context, const Common& common) {
    struct Options {
        std::string base, mine, theirs;
        std::filesystem::path out;
    };
    auto options = std::make_shared<Options>();
    auto* command = log.add_subcommand("merge", "Bring together what two people changed since a take");
    giveExamples(*command, "  lariat-cli log merge 11 14 lamp-of-hers.json --out lamp-both.json");
    command->add_option("base", options->base, "What both began with: a take's number, or a patch file")->required();
    command->add_option("mine", options->mine, "The same; where both changed one thing, this stays")->required();
    command->add_option("theirs", options->theirs, "The same")->required();
    command->add_option("--out", options->out, "Patch file")->required()->check(notEmpty);
    command->callback([options, common, &context] {
        const Logbook book = openLog(*common);
        const Workspace workspace = context.workspace();
        const auto patch = [&](const std::string& text) { return patchNamed(text, book, workspace.library); };
        const Merged merged =
            need(merge(patch(options->base), patch(options->mine), patch(options->theirs), workspace.library));
        need(writeFile(options->out, writePatch(merged.patch), FileKind::Patch));
        Json brought = Json::array();
        Json conflicts = Json::array();
        for (const Difference& one : merged.brought) {
            brought.push_back(inOneLine(one));
            if (!context.json) fmt::print("brought  {}\n", inOneLine(one));
        }
        for (const Conflict& one : merged.conflicts) {
            conflicts.push_back({{"mine", inOneLine(one.mine)}, {"theirs", inOneLine(one.theirs)}});
            if (!context.json)
                fmt::print("conflict mine: {}; theirs, left out: {}\n", inOneLine(one.mine), inOneLine(one.theirs));
        }
        if (context.json) std::cout << dump({{"brought", brought}, {"conflicts", conflicts}});
        context.exitCode = merged.conflicts.empty() ? 0 : 1;
    });
}

void addLabel(CLI::App& log, const Common& common) {
    struct Options {
        std::int64_t id = 0;
        std::optional<std::string> name, notes;
        std::vector<std::string> tags;
        std::optional<int> rating;
    };
    auto options = std::make_shared<Options>();
    auto* command = log.add_subcommand("label", "Write on a take: name, notes, tags, rating");
    giveExamples(*command, "  lariat-cli log label 14 --name \"leader a fifth up\" --rating 5");
    command->add_option("take", options->id, "Its number")->required();
    command->add_option("--name", options->name, "What it is called");
    command->add_option("--notes", options->notes, "What is to be said of it");
    auto* tags = command->add_option("--tag", options->tags, "Its tags, instead of those it had");
    command->add_option("--rating", options->rating, "1 to 5; 0: not rated")->check(CLI::Range(0, 5));
    command->callback([options, tags, common] {
        Logbook book = openLog(*common);
        TakeLabel label = need(book.take(options->id)).label;
        if (options->name) label.name = *options->name;
        if (options->notes) label.notes = *options->notes;
        if (tags->count() > 0) label.tags = options->tags;
        if (options->rating) label.rating = *options->rating;
        need(book.label(options->id, label));
    });
}

void addThrowing(CLI::App& log, const Common& common) {
    for (const bool away : {true, false}) {
        auto id = std::make_shared<std::int64_t>(0);
        auto* command = log.add_subcommand(away ? "throw-away" : "take-back",
                                           away ? "Throw a take away; for a day it can be taken back"
                                                : "Take back what was thrown away");
        command->add_option("take", *id, "Its number")->required();
        command->callback([id, away, common] {
            Logbook book = openLog(*common);
            need(away ? book.throwAway(*id) : book.takeBack(*id));
        });
    }
}

void addExchange(CLI::App& log, Context& context, const Common& common) {
    struct Options {
        std::int64_t id = 0;
        std::filesystem::path file, into;
    };
    auto out = std::make_shared<Options>();
    auto* give = log.add_subcommand("export", "A take with its case, modules and sound as one archive");
    giveExamples(*give, "  lariat-cli log export 14 --out lamp-14.lariat-bundle");
    give->add_option("take", out->id, "Its number")->required();
    give->add_option("--out", out->file, "Archive")->required()->check(notEmpty);
    give->callback([out, common, &context] {
        const Logbook book = openLog(*common);
        need(exportTake(book, out->id, out->file, context.data.empty() ? dataFolder() : context.data, ownDataFolder()));
    });
    auto in = std::make_shared<Options>();
    auto* take =
        log.add_subcommand("import", "Take in an archive: a take of somebody else, or any bundle with a patch");
    giveExamples(*take, "  lariat-cli log import lamp-14.lariat-bundle");
    take->add_option("archive", in->file, "Archive")->required();
    take->add_option("--into", in->into, "Another folder than your own for its case and modules");
    take->callback([in, common, &context] {
        Logbook book = openLog(*common);
        const BroughtIn made = need(importTake(book, in->file, context.data.empty() ? dataFolder() : context.data,
                                               in->into.empty() ? ownDataFolder() : in->into));
        if (context.json) {
            std::cout << dump({{"id", made.id},
                               {"written", made.unpacked.written},
                               {"renamed", allInEnglish(made.unpacked.renamed)}});
            return;
        }
        fmt::print("take {}\n", made.id);
        for (const std::string& text : allInEnglish(made.unpacked.renamed)) fmt::print("  {}\n", text);
    });
}

void addDiary(CLI::App& log, Context& context, const Common& common) {
    struct Options {
        std::string day = "today";
        std::filesystem::path out;
        std::string language = "en";
    };
    auto options = std::make_shared<Options>();
    auto* command = log.add_subcommand("diary", "The page of a day: takes, what changed, what they measure, pictures");
    giveExamples(*command, "  lariat-cli log diary --day 2026-11-27 --out friday.html");
    command->add_option("--day", options->day, "today, yesterday, or 2026-11-27")->capture_default_str();
    command->add_option("--out", options->out, "File ending in .md or .html; default: Markdown on standard output")
        ->check(notEmpty);
    addLanguage(*command, options->language);
    command->callback([options, common, &context] {
        const Logbook book = openLog(*common);
        const bool named = options->day == "today" || options->day == "yesterday";
        const TakeQuery day = need(readQuery((named ? "" : "since ") + options->day, midnightBefore(nowMs())));
        if (!day.since) refuse(fmt::format("\"{}\" is no day: write 2026-11-27, today or yesterday", options->day));
        const Workspace workspace = context.workspace();
        // An hour on, so that a day after a change of clocks is still the one that is meant.
        const std::int64_t midnight = midnightBefore(*day.since + 2 * 3'600'000LL);
        const Speaker speaker = speakerOf(options->language);
        const auto entries = need(diaryOf(book, midnight, workspace.library, speaker));
        const std::string heading =
            QDateTime::fromMSecsSinceEpoch(midnight).date().toString(QStringLiteral("yyyy-MM-dd")).toStdString();
        if (options->out.empty())
            std::cout << diaryAsMarkdown(heading, entries, speaker);
        else if (options->out.extension() == ".md")
            need(writeFile(options->out, diaryAsMarkdown(heading, entries, speaker), FileKind::Text));
        else if (options->out.extension() == ".html")
            need(writeFile(options->out, diaryAsHtml(heading, entries, speaker), FileKind::Text));
        else
            throw Failed{{options->out.string(), {}, say("should end in .md or .html")}};
        if (context.json) std::cout << dump({{"file", options->out.string()}, {"takes", entries.size()}});
    });
}

void addKeeping(CLI::App& log, Context& context, const Common& common) {
    struct Options {
        std::string before = "today";
        int below = 3;
    };
    auto options = std::make_shared<Options>();
    auto* thin = log.add_subcommand("thin", "Let the sounds of older takes go; everything else of them stays");
    giveExamples(*thin, "  lariat-cli log thin --before 2026-06-01 --below 4");
    thin->add_option("--before", options->before, "Takes before that day")->required();
    thin->add_option("--below", options->below, "Only those rated lower than that")
        ->check(CLI::Range(1, 6))
        ->capture_default_str();
    thin->callback([options, common] {
        Logbook book = openLog(*common);
        const TakeQuery day = need(readQuery("since " + options->before, midnightBefore(nowMs())));
        const auto before = need(book.usage()).bytes;
        const auto went = need(book.thinOut(*day.since, options->below));
        fmt::print("{} sounds went; {} less\n", went,
                   megabytes(static_cast<std::size_t>(std::max<std::int64_t>(0, before - need(book.usage()).bytes))));
    });
    auto* check = log.add_subcommand("check", "Look at every page of the log; how much it holds");
    check->callback([common, &context] {
        const Logbook book = openLog(*common);
        need(book.check());
        const LogUsage usage = need(book.usage());
        if (context.json)
            std::cout << dump({{"file", book.file().string()},
                               {"takes", usage.takes},
                               {"bytes", usage.bytes},
                               {"sounds", usage.sounds},
                               {"sound-bytes", usage.soundBytes}});
        else
            fmt::print("{}: whole; {} takes, {}, of it {} of {} sounds\n", book.file().string(), usage.takes,
                       megabytes(static_cast<std::size_t>(usage.bytes)),
                       megabytes(static_cast<std::size_t>(usage.soundBytes)), usage.sounds);
    });
}

} // namespace

void addLog(CLI::App& app, Context& context) {
    auto* log = app.add_subcommand("log", "Takes of patches: take, list, find, show, diff, merge, label, throw-away, "
                                          "take-back, export, import, diary, thin, check");
    log->require_subcommand(1);
    auto common = std::make_shared<LogOptions>();
    log->add_option("--log", common->log, "Another log than your own")->check(notEmpty);
    addTake(*log, context, common);
    addList(*log, context, common, "list", "Takes, newest first");
    addList(*log, context, common, "find", "Takes that are like that");
    addShow(*log, context, common);
    addLogDiff(*log, context, common);
    addMerge(*log, context, common);
    addLabel(*log, common);
    addThrowing(*log, common);
    addExchange(*log, context, common);
    addDiary(*log, context, common);
    addKeeping(*log, context, common);
}

} // namespace lariat::cli
