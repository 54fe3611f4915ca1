// sheet and read: patches onto paper, and back from it.
#include "ask/on_sheet.h"
#include "cli/commands.h"
#include "cli/language.h"
#include "findings/finding.h"
#include "library/check.h"
#include "library/unknowns.h"
#include "model/file.h"
#include "plan/notes.h"
#include "plan/sheet_text.h"
#include "print/painting.h"
#include "print/pdf.h"
#include "sheet/sheet.h"
#include "stock/carried.h"

#include <iostream>

#include <CLI/CLI.hpp>
#include <fmt/format.h>

namespace lariat::cli {
namespace {

struct SheetOptions {
    std::filesystem::path file, out;
    std::string layout = "archive";
    std::string paper = "a4";
    std::string format;
    bool across = false;
    bool upright = false;
    bool grey = false;
    bool bare = false;
    std::vector<std::string> with, without;
    std::string language = "en";
};

SheetSettings settingsOf(const SheetOptions& options) {
    SheetSettings out = settingsFor(*layoutFrom(options.layout));
    out.paper = *paperFrom(options.paper);
    if (options.across) out.landscape = true;
    if (options.upright) out.landscape = false;
    out.colour = !options.grey;
    for (const std::string& word : options.with) out.parts.insert(*partFrom(word));
    for (const std::string& word : options.without) out.parts.erase(*partFrom(word));
    return out;
}

std::string partWords() {
    std::string out;
    for (int part = 0; part < kSheetParts; ++part)
        out += fmt::format("{}{}", part > 0 ? ", " : "", partWord(static_cast<SheetPart>(part)));
    return out;
}

std::string knownPart(const std::string& word) {
    return partFrom(word) ? std::string() : fmt::format("\"{}\" is none of {}", word, partWords());
}

/// The patch with what it needs, as one archive; empty where a file of it is gone.
std::string bundleFor(const Patch& patch, const Workspace& workspace, const Context& context) {
    const Case* housing = workspace.housing(patch);
    if (!housing) return {};
    const auto made =
        gatherBundle(*housing, patch, context.data.empty() ? dataFolder() : context.data, ownDataFolder());
    return made ? bundleBytes(*made).value_or(std::string()) : std::string();
}

std::string render(const SheetOptions& options, const std::string& format, const Sheet& sheet,
                   const SheetSettings& settings, const std::string& bundle) {
    if (format == "md") return writeMarkdown(sheet, settings);
    if (format == "html") return sheetHtml(sheet, settings, carriedInHtml(bundle));
    if (format == "svg") return writeSvg(sheet, settings, carriedInSvg(bundle));
    if (format == "csv") return writeCableCsv(sheet);
    if (format == "knobs.csv") return writeKnobCsv(sheet);
    if (format == "dot") return writeDot(sheet);
    throw Failed{{options.out.string(), {}, say("should end in .pdf, .html, .svg, .md, .csv, .knobs.csv or .dot")}};
}

} // namespace

void addSheet(CLI::App& app, Context& context) {
    auto options = std::make_shared<SheetOptions>();
    auto* command = app.add_subcommand("sheet", "Write the patch sheet: PDF, HTML, SVG, Markdown, CSV or DOT");
    giveExamples(*command, "  lariat-cli sheet data/demo/lamp.json --language de --out lamp.pdf\n"
                           "  lariat-cli sheet data/demo/lamp.json --layout one-page --paper a5 --out lamp.pdf\n"
                           "  lariat-cli sheet data/demo/lamp.json --layout workbook --grey --out lamp.html\n"
                           "  lariat-cli sheet data/demo/lamp.json > lamp.md");
    command->add_option("patch", options->file, "Patch file")->required();
    command->add_option("--out", options->out, "File; its ending tells what is written; default: standard output")
        ->check(notEmpty);
    command->add_option("--layout", options->layout, "one-page, workbook or archive")
        ->check(CLI::IsMember({"one-page", "workbook", "archive"}))
        ->capture_default_str();
    command->add_option("--format", options->format, "pdf, html, svg, md, csv, knobs.csv or dot, whatever the ending")
        ->check(CLI::IsMember({"pdf", "html", "svg", "md", "csv", "knobs.csv", "dot"}));
    command->add_option("--paper", options->paper, "a4, a5 or letter")
        ->check(CLI::IsMember({"a4", "a5", "letter"}))
        ->capture_default_str();
    auto* across = command->add_flag("--landscape", options->across, "Across");
    command->add_flag("--portrait", options->upright, "Upright")->excludes(across);
    command->add_flag("--grey", options->grey, "Kinds of signal by mark and line alone");
    command->add_flag("--bare", options->bare, "Without the patch travelling in it");
    command->add_option("--with", options->with, "Also these: " + partWords())
        ->delimiter(',')
        ->check(CLI::Validator(knownPart, "PART"));
    command->add_option("--without", options->without, "Not these")
        ->delimiter(',')
        ->check(CLI::Validator(knownPart, "PART"));
    addLanguage(*command, options->language);
    command->callback([options, &context] {
        const auto application = applicationForPainting(); // translations live as long as it does
        const Speaker speaker = speakerOf(options->language);
        const Workspace workspace = context.workspace();
        const Patch patch = need(openPatch(options->file, workspace.library));
        const Observation o = need(observe(patch, workspace.library, workspace.housing(patch)));
        Sheet sheet = makeSheet(o, need(findEverything(o)).open, speaker);
        const SheetSettings settings = settingsOf(*options);
        if (settings.has(SheetPart::Answers)) sheet.answers = *sheetAnswers(patch, workspace.library, speaker);
        std::string format = options->format;
        if (format.empty()) {
            const std::string name = options->out.string();
            format = name.ends_with(".knobs.csv") ? "knobs.csv"
                     : options->out.empty()       ? "md"
                                                  : options->out.extension().string();
            if (format.starts_with('.')) format.erase(0, 1);
        }
        const std::string bundle = options->bare ? std::string() : bundleFor(patch, workspace, context);
        if (format == "pdf") {
            if (options->out.empty()) refuse("a PDF needs --out");
            need(writePdf(sheet, settings, bundle, options->out));
        } else if (options->out.empty()) {
            std::cout << render(*options, format, sheet, settings, bundle);
        } else {
            need(writeFile(options->out, render(*options, format, sheet, settings, bundle), FileKind::Text));
        }
        if (context.json) std::cout << dump({{"file", options->out.string()}, {"cables", patch.cables.size()}});
    });
}

namespace {

/// Every line with its answer.
void printAnswers(const NotesRead& notes, const Library& library, const Context& context) {
    Json lines = Json::array();
    for (const NoteAnswer& answer : notes.answers) {
        Json understood = Json::array();
        Json failed = Json::array();
        for (const Sentence& one : answer.understood) understood.push_back(one.str());
        for (const Sentence& one : answer.failed) failed.push_back(one.str());
        lines.push_back({{"line", answer.line},
                         {"text", answer.text},
                         {"understood", understood},
                         {"failed", failed},
                         {"perhaps", answer.choices}});
        if (context.json) continue;
        fmt::print("{:>4}  {}\n", answer.line, answer.text);
        for (const Sentence& one : answer.understood) fmt::print("        {}\n", one.str());
        for (const Sentence& one : answer.failed) fmt::print("      ? {}\n", one.str());
        if (!answer.choices.empty()) fmt::print("        perhaps: {}\n", fmt::join(answer.choices, ", "));
    }
    const auto unknown = unknownsOf(notes.patch, library).size();
    if (context.json)
        std::cout << dump({{"lines", lines},
                           {"understood", notes.wholeLines()},
                           {"cables", notes.patch.cables.size()},
                           {"unknown", unknown}});
    else
        fmt::print("{} of {} lines understood, {} cables, {} knobs unknown\n", notes.wholeLines(), notes.answers.size(),
                   notes.patch.cables.size(), unknown);
}

} // namespace

void addRead(CLI::App& app, Context& context) {
    struct Options {
        std::filesystem::path file, out, into;
        std::string housing = "keepers-case";
    };
    auto options = std::make_shared<Options>();
    auto* command =
        app.add_subcommand("read", "The patch of a sheet, exactly as it was; or of notes that somebody typed up");
    giveExamples(*command, "  lariat-cli read lamp.pdf --out lamp-again.json\n"
                           "  lariat-cli read notes.txt --case keepers-case --out from-notes.json");
    command
        ->add_option("sheet", options->file, "PDF, HTML or SVG that Lariat wrote, or text with a line for each thing")
        ->required();
    command->add_option("--out", options->out, "Write its patch here")->required()->check(notEmpty);
    command->add_option("--case", options->housing, "Of notes: the case, by its id")->capture_default_str();
    command->add_option("--into", options->into, "Of a sheet: another folder than your own for its case and modules");
    command->callback([options, &context] {
        const std::string bytes = need(readFile(options->file));
        const bool pdf = bytes.starts_with("%PDF");
        const std::string ending = options->file.extension().string();
        if (!pdf && ending != ".html" && ending != ".svg") {
            const Workspace workspace = context.workspace();
            if (isSheetText(bytes)) {
                const NotesRead sheet = need(readSheetText(bytes, workspace));
                need(writeFile(options->out, writePatch(sheet.patch), FileKind::Patch));
                printAnswers(sheet, workspace.library, context);
                context.exitCode = sheet.wholeLines() == static_cast<int>(sheet.answers.size()) ? 0 : 1;
                return;
            }
            const auto housing = workspace.cases.find(options->housing);
            if (housing == workspace.cases.end()) refuse(fmt::format("there is no case \"{}\"", options->housing));
            Patch start;
            start.title = options->file.stem().string();
            start.caseId = options->housing;
            auto notes = readNotes(bytes, start, workspace.library, housing->second);
            if (!notes) {
                notes.error().file = options->file.string();
                throw Failed{notes.error()};
            }
            need(writeFile(options->out, writePatch(notes->patch), FileKind::Patch));
            printAnswers(*notes, workspace.library, context);
            context.exitCode = notes->wholeLines() == static_cast<int>(notes->answers.size()) ? 0 : 1;
            return;
        }
        auto bundle = bundleCarried(pdf ? attachedTo(bytes) : carriedIn(bytes));
        if (!bundle) {
            bundle.error().file = options->file.string();
            throw Failed{bundle.error()};
        }
        const Unpacked made = need(unpackBundle(std::move(*bundle), context.data.empty() ? dataFolder() : context.data,
                                                options->into.empty() ? ownDataFolder() : options->into));
        if (!made.patch) throw Failed{{options->file.string(), {}, say("holds no patch")}};
        need(writeFile(options->out, writePatch(*made.patch), FileKind::Patch));
        if (context.json)
            std::cout << dump(
                {{"file", options->out.string()}, {"written", made.written}, {"renamed", allInEnglish(made.renamed)}});
        else
            for (const std::string& text : allInEnglish(made.renamed)) fmt::print("{}\n", text);
    });
}

} // namespace lariat::cli
