#include "model/pattern_text.h"

#include "units/number.h"
#include "units/pitch.h"

#include <algorithm>
#include <cmath>
#include <optional>

#include <fmt/format.h>

namespace lariat {
namespace {

/// Pieces of a text between any of these characters; none is empty.
std::vector<std::string_view> piecesOf(std::string_view text, std::string_view between) {
    std::vector<std::string_view> pieces;
    while (true) {
        const auto begin = text.find_first_not_of(between);
        if (begin == std::string_view::npos) return pieces;
        text.remove_prefix(begin);
        const auto end = std::min(text.find_first_of(between), text.size());
        pieces.push_back(text.substr(0, end));
        text.remove_prefix(end);
    }
}

tl::unexpected<Error> noStep(std::string_view text) {
    return failure(say("\"{}\" is not a step: write D3, D3! 0.4, - for a rest or = for a tie", text));
}

/// The note, rest or tie that a step begins with, with the marks behind it.
Result<Step> readHead(std::string_view word, std::string_view text) {
    Step step;
    for (; !word.empty() && (word.back() == '!' || word.back() == '~' || word.back() == '?'); word.remove_suffix(1))
        (word.back() == '!' ? step.accent : word.back() == '?' ? step.unknown : step.slide) = true;
    if (word.empty() && step.unknown) { // not even a note to try
        step.kind = Step::Kind::Note;
        return step;
    }
    if (word.empty()) return noStep(text);
    const char sign = word.front();
    step.kind = sign == '=' ? Step::Kind::Tie : sign == '-' || sign == '.' ? Step::Kind::Rest : Step::Kind::Note;
    step.gate = usualGate(step.kind);
    if (step.kind != Step::Kind::Note) word.remove_prefix(1);
    if (word.empty()) return step;
    const auto note = parseNote(word);
    if (!note) return noStep(text);
    step.note = *note;
    return step;
}

/// One of the words behind it; why it cannot be, or nothing.
Sentence readWord(std::string_view word, Step& step) {
    const std::string_view figure = word.substr(1);
    const auto number = [&](double min, double max, const auto& set, const auto& otherwise) -> Sentence {
        const auto value = parseNumber(figure);
        if (!value || !(*value >= min && *value <= max)) return otherwise();
        set(*value);
        return {};
    };
    switch (word.front()) {
    case '~':
        step.slide = true;
        return {};
    case '!':
        step.accent = true;
        return {};
    case '+':
        return number(
            0, 100.0 * kLatest, [&](double value) { step.late = 0.01 * value; },
            [&] { return say("\"{}\" should be a delay from 0 to {} per cent of the step", figure, 100.0 * kLatest); });
    case 'v':
        return number(
            1, 127, [&](double value) { step.velocity = static_cast<int>(value); },
            [&] { return say("\"{}\" should be a velocity from 1 to 127", figure); });
    case 'c':
        return number(
            -10, 10, [&](double value) { step.cv = value; },
            [&] { return say("\"{}\" should be a voltage from −10 to 10", figure); });
    case 'p':
        return number(
            0, 100, [&](double value) { step.probability = 0.01 * value; },
            [&] { return say("\"{}\" should be a chance from 0 to 100 per cent", figure); });
    case 'x':
        return number(
            1, 8, [&](double value) { step.repeats = static_cast<int>(value); },
            [&] { return say("\"{}\" should be a number of strikes from 1 to 8", figure); });
    default:
        step.gate = parseNumber(word).value_or(0.0);
        if (!(step.gate > 0.0 && step.gate <= 1.0)) return say("the gate \"{}\" should lie above 0 and up to 1", word);
        return {};
    }
}

Sentence tooMany(std::size_t count) {
    return say("there are {} steps, 1 to {} are possible", count, kMaxSteps);
}

} // namespace

double usualGate(Step::Kind kind) {
    return kind == Step::Kind::Tie ? 1.0 : 0.5;
}

Result<Step> readStep(std::string_view text) {
    const auto words = piecesOf(text, " \t,");
    if (words.empty()) return failure(say("is an empty step; a rest is written -"));
    auto step = readHead(words.front(), text);
    if (!step) return step;
    for (std::size_t w = 1; w < words.size(); ++w)
        if (Sentence why = readWord(words[w], *step); !why.empty()) return failure(why);
    return step;
}

std::string writeStep(const Step& step, char between) {
    std::string out = step.kind == Step::Kind::Rest ? "-" : step.kind == Step::Kind::Tie ? "=" : "";
    if (out.empty() || step.note != Step{}.note) out += noteName(step.note);
    if (step.accent) out += "!";
    if (step.unknown) out += "?";
    const auto word = [&](const std::string& text) { out += between + text; };
    if (step.gate != usualGate(step.kind)) word(fmt::format("{}", step.gate));
    if (step.velocity != 100) word(fmt::format("v{}", step.velocity));
    if (step.cv != 0.0) word(fmt::format("c{}", step.cv));
    if (step.probability != 1.0) word(fmt::format("p{}", std::round(1e6 * step.probability) / 1e4));
    if (step.repeats != 1) word(fmt::format("x{}", step.repeats));
    if (step.late != 0.0) word(fmt::format("+{}", std::round(1e6 * step.late) / 1e4));
    if (step.slide) word("~");
    return out;
}

Result<std::vector<Step>> readSteps(std::string_view line) {
    std::vector<Step> steps;
    const auto words = piecesOf(line, " \t\n\r|");
    if (words.empty()) return failure(say("there is no step; write d3 for a note, - for a rest, = for a tie"));
    for (const std::string_view word : words) {
        const auto star = word.rfind('*');
        std::size_t times = 1;
        if (star != std::string_view::npos) {
            const auto count = parseNumber(word.substr(star + 1));
            if (!count || !(*count >= 1 && *count <= static_cast<double>(kMaxSteps)))
                return failure(inside(
                    say("step {}", steps.size() + 1),
                    say("behind * should stand how often \"{}\" is played, 1 to {}", word.substr(0, star), kMaxSteps)));
            times = static_cast<std::size_t>(*count);
        }
        auto step = readStep(word.substr(0, star));
        if (!step) return failure(inside(say("step {}", steps.size() + 1), step.error().reason));
        // Of a step that nobody knows, the note before is tried.
        if (word.front() == '?')
            for (std::size_t i = steps.size(); i-- > 0;)
                if (steps[i].kind == Step::Kind::Note) {
                    step->note = steps[i].note;
                    break;
                }
        steps.insert(steps.end(), times, *step);
        if (steps.size() > 1000 * kMaxSteps) break;
    }
    if (steps.size() > kMaxSteps) return failure(tooMany(steps.size()));
    return steps;
}

std::string writeSteps(const std::vector<Step>& steps) {
    std::string out;
    for (const Step& step : steps) out += (out.empty() ? "" : " ") + writeStep(step, ',');
    return out;
}

Result<std::vector<Hit>> readHits(std::string_view line) {
    std::vector<Hit> hits;
    for (std::size_t i = 0; i < line.size(); ++i) {
        switch (line[i]) {
        case ' ':
        case '|':
            break;
        case '.':
        case '-':
            hits.push_back(Hit::Rest);
            break;
        case 'x':
            hits.push_back(Hit::Hit);
            break;
        case 'X':
            hits.push_back(Hit::Accent);
            break;
        case '?':
            hits.push_back(Hit::Unknown);
            break;
        default:
            return failure(say("should be written with x, X, ., ? and spaces only; character {} is another", i + 1));
        }
    }
    if (hits.empty() || hits.size() > kMaxSteps) return failure(tooMany(hits.size()));
    return hits;
}

std::string writeHits(const std::vector<Hit>& hits) {
    std::string out;
    for (std::size_t i = 0; i < hits.size(); ++i) {
        if (i > 0 && i % 4 == 0) out += ' ';
        constexpr std::string_view kSigns = ".xX?"; // in the order of Hit
        out += kSigns[static_cast<std::size_t>(hits[i])];
    }
    return out;
}

std::string strideWords(const Stride& stride) {
    std::string out;
    if (stride.division != 1) out += fmt::format(", every {}", stride.division);
    if (stride.direction != Direction::Forward)
        out += fmt::format(", {}", kDirectionNames[static_cast<std::size_t>(stride.direction)]);
    if (stride.triplets) out += ", triplets";
    if (stride.swing != 0.5) out += fmt::format(", swing {}", std::round(1e6 * stride.swing) / 1e4);
    if (stride.lock != 1) out += fmt::format(", lock {}", stride.lock);
    return out;
}

Result<Stride> readStrideWords(std::string_view words) {
    Stride out;
    for (std::string_view word : piecesOf(words, ",")) {
        while (word.starts_with(' ')) word.remove_prefix(1);
        while (word.ends_with(' ')) word.remove_suffix(1);
        if (word.empty()) continue;
        const std::size_t blank = word.find(' ');
        const std::string_view head = word.substr(0, blank);
        const auto number = blank == std::string_view::npos ? std::nullopt : parseNumber(word.substr(blank + 1));
        const auto whole = [&](int least, int most) {
            return number && *number >= least && *number <= most && *number == std::floor(*number);
        };
        if (const auto* named = std::ranges::find(kDirectionNames, word); named != kDirectionNames.end())
            out.direction = static_cast<Direction>(named - kDirectionNames.begin());
        else if (word == "triplets")
            out.triplets = true;
        else if (head == "every" && whole(1, 16))
            out.division = static_cast<int>(*number);
        else if (head == "lock" && whole(0, 16))
            out.lock = static_cast<int>(*number);
        else if (head == "swing" && number && *number >= 50.0 && *number <= 100.0 * kMostSwing)
            out.swing = 0.01 * *number;
        else
            return failure(
                say("\"{}\" is no way through the steps: write every 2, backward, pendulum, random, triplets, "
                    "swing 62 or lock 2",
                    word));
    }
    return out;
}

} // namespace lariat
