// What the commands share: where a changed patch goes, how jacks are written, examples.
#include "cli/commands.h"

#include "model/file.h"

#include <CLI/CLI.hpp>
#include <fmt/format.h>

namespace lariat::cli {

void Destination::addOptions(CLI::App& command) {
    command.add_option("--out", out, "Where the changed patch is written")->check(notEmpty);
    command.add_flag("--in-place", inPlace, "Write over the patch that was read");
}

void Destination::write(const Patch& patch) const {
    if (out.empty() && !inPlace)
        throw Failed{
            {file.string(), {}, say("would be written over; say where with --out, or --in-place if you mean it")}};
    need(writeFile(out.empty() ? file : out, writePatch(patch), FileKind::Patch));
}

JackRef readJack(const std::string& text) {
    const auto mark = text.find_first_of(".:");
    if (mark == std::string::npos || mark == 0 || mark + 1 == text.size())
        throw Failed{{{}, {}, say("\"{}\" is not written post.jack", text)}};
    return {text.substr(0, mark), text.substr(mark + 1)};
}

std::string notEmpty(const std::string& text) {
    return text.empty() ? "the name of a file is empty" : "";
}

void giveExamples(CLI::App& command, const std::string& lines) {
    command.footer("Examples:\n" + lines);
}

} // namespace lariat::cli
