#include "plan/expression.h"

#include "units/pitch.h"

#include <algorithm>
#include <cmath>
#include <vector>

#include <fmt/format.h>
#include <muParser.h>

namespace lariat {
namespace {

double hertzOfNote(double note) {
    return noteToHertz(note).value;
}
double voltsOfNote(double note) {
    return noteToVolts(note).value;
}
double noteOfHertz(double hertz) {
    return hertz > 0.0 ? 60.0 + 12.0 * toVolts({hertz}).value : std::nan("");
}

constexpr std::size_t kLongest = 200; ///< characters

} // namespace

Result<double> evaluate(const std::string& expression, const Values& values) {
    if (expression.size() > kLongest)
        return failure(say("an expression has {} characters; {} are allowed", expression.size(), kLongest));
    Values room = values; // muParser wants to be able to write
    try {
        mu::Parser parser;
        parser.DefineFun("hz", hertzOfNote);
        parser.DefineFun("volts", voltsOfNote);
        parser.DefineFun("note_of", noteOfHertz);
        for (auto& [name, value] : room) parser.DefineVar(name, &value);
        parser.SetExpr(expression);
        const double value = parser.Eval();
        if (!std::isfinite(value))
            return failure(say("\"{}\" is no finite number here; does it divide by zero?", expression));
        return value;
    } catch (const mu::Parser::exception_type& problem) {
        std::string why = problem.GetMsg();
        while (!why.empty() && (why.back() == '\n' || why.back() == ' ')) why.pop_back();
        return failure(say("\"{}\" cannot be worked out: {}", expression, why));
    }
}

Result<Values> evaluateAll(const std::map<std::string, std::string>& expressions, Values values) {
    std::map<std::string, std::string> open = expressions;
    while (!open.empty()) {
        const std::size_t before = open.size();
        Error last;
        for (auto it = open.begin(); it != open.end();) {
            auto value = evaluate(it->second, values);
            if (!value) {
                last = value.error();
                ++it;
                continue;
            }
            values[it->first] = *value;
            it = open.erase(it);
        }
        if (open.size() < before) continue;
        // What is left waits for something: for each other, if every name it lacks is among them.
        Values assumed = values;
        for (const auto& [name, text] : open) assumed[name] = 1.0;
        std::vector<std::string> names;
        for (const auto& [name, text] : open) {
            if (!evaluate(text, assumed)) return tl::unexpected(last);
            names.push_back(name);
        }
        return failure(
            say("{} need each other in a circle: give one of them a value of its own", fmt::join(names, ", ")));
    }
    return values;
}

} // namespace lariat
