// The subcommands, one line each in main.cpp.
#pragma once

#include "library/workspace.h"
#include "model/json.h"

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
};

/// The value, or Failed.
template <class T> T need(Result<T> result) {
    if (!result) throw Failed{result.error()};
    return std::move(*result);
}
inline void need(const Result<void>& result) {
    if (!result) throw Failed{result.error()};
}

void addBlocks(CLI::App& app, Context& context);
void addModules(CLI::App& app, Context& context);
void addCheck(CLI::App& app, Context& context);
void addBench(CLI::App& app, Context& context);
void addMidi(CLI::App& app, Context& context);
void addBuild(CLI::App& app, Context& context);

void addRender(CLI::App& app, Context& context);
void addMeasure(CLI::App& app, Context& context);
void addTie(CLI::App& app, Context& context);
void addSheet(CLI::App& app, Context& context);

} // namespace lariat::cli
