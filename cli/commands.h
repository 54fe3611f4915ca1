// The subcommands, one line each in main.cpp.
#pragma once

#include "library/workspace.h"
#include "model/json.h"
#include "stock/functions.h"
#include "timing/lines.h"

#include <filesystem>
#include <string>

namespace CLI {
class App;
}

namespace lariat::cli {

/// An error on its way to main.
struct Failed {
    Error error;
};

struct Context {
    bool json = false;
    std::filesystem::path data;
    int exitCode = 0;

    /// Modules and cases; files that cannot be used are named on stderr.
    [[nodiscard]] Workspace workspace() const;
    /// What parts can be for, and stand in for; Failed if its file cannot be read.
    [[nodiscard]] Functions functions() const;
};

/// The value, or Failed.
template <class T> T need(Result<T> result) {
    if (!result) throw Failed{result.error()};
    return std::move(*result);
}
inline void need(const Result<void>& result) {
    if (!result) throw Failed{result.error()};
}

inline std::vector<std::string> allInEnglish(const std::vector<Sentence>& sentences) {
    std::vector<std::string> out;
    for (const Sentence& sentence : sentences) out.push_back(sentence.str());
    return out;
}

[[noreturn]] inline void refuse(std::string reason) {
    throw Failed{Error{{}, {}, plain(std::move(reason))}};
}

/// The post with steps that is meant: the one that is named, or the only one; Failed, naming them, if it is none.
Sequencer sequencerNamed(const Patch& patch, const Library& library, const std::string& post);

/// Where a command writes the patch that it has changed: never over the one it read unless it is told to.
struct Destination {
    std::filesystem::path file; ///< the patch that was read
    std::filesystem::path out;
    bool inPlace = false;

    void addOptions(CLI::App& command);
    void write(const Patch& patch) const;
};

/// "post.jack" or "post:jack"; Failed if it is neither.
JackRef readJack(const std::string& text);

/// For names of files: why a text is none, or nothing.
std::string notEmpty(const std::string& text);

/// Examples that --help of one command ends with.
void giveExamples(CLI::App& command, const std::string& lines);

void addBlocks(CLI::App& app, Context& context);
void addModules(CLI::App& app, Context& context);
void addBoxModule(CLI::App& module, Context& context);
void addCheck(CLI::App& app, Context& context);
void addBench(CLI::App& app, Context& context);
void addMidi(CLI::App& app, Context& context);
void addBuild(CLI::App& app, Context& context);

void addRender(CLI::App& app, Context& context);
void addMeasure(CLI::App& app, Context& context);
void addRecord(CLI::App& app, Context& context);
void addTie(CLI::App& app, Context& context);
void addStates(CLI::App& app, Context& context);
void addSheet(CLI::App& app, Context& context);
void addScales(CLI::App& app, Context& context);
void addDiff(CLI::App& app, Context& context);
void addPattern(CLI::App& app, Context& context);
void addResponses(CLI::App& app, Context& context);
void addClocks(CLI::App& app, Context& context);
void addReckon(CLI::App& app, Context& context);
void addScenes(CLI::App& app, Context& context);
void addPlan(CLI::App& app, Context& context);
void addFind(CLI::App& app, Context& context);
void addStock(CLI::App& app, Context& context);
void addBundle(CLI::App& app, Context& context);
void addModule(CLI::App& app, Context& context);
void addUnknown(CLI::App& app, Context& context);
void addLog(CLI::App& app, Context& context);
void addRead(CLI::App& app, Context& context);
void addAsk(CLI::App& app, Context& context);

} // namespace lariat::cli
