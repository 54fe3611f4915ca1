#include "sheet/settings.h"

#include <algorithm>

namespace lariat {
namespace {

constexpr std::array<std::string_view, 3> kLayoutWords = {"one-page", "workbook", "archive"};
constexpr std::array<std::string_view, 3> kPaperWords = {"a4", "a5", "letter"};
constexpr std::array<std::string_view, kSheetParts> kPartWords = {
    "cautions", "notes",  "chart",    "cables",        "knobs",        "pattern",  "scenes",
    "tables",   "expect", "headroom", "normals",       "calibrations", "unknowns", "findings",
    "kept",     "sound",  "answers",  "second-player", "counts",       "put-back", "take-apart"};

template <class T, std::size_t N>
std::optional<T> from(const std::array<std::string_view, N>& words, std::string_view word) {
    const auto* found = std::ranges::find(words, word);
    if (found == words.end()) return {};
    return static_cast<T>(found - words.begin());
}

} // namespace

SheetSettings settingsFor(SheetLayout layout) {
    SheetSettings out;
    out.layout = layout;
    for (int part = 0; part < kSheetParts; ++part) out.parts.insert(static_cast<SheetPart>(part));
    if (layout == SheetLayout::OnePage)
        out.parts = {SheetPart::Chart,    SheetPart::Knobs,   SheetPart::Pattern,
                     SheetPart::Unknowns, SheetPart::Answers, SheetPart::Findings};
    if (layout == SheetLayout::Workbook) {
        out.landscape = false;
        for (const SheetPart part : {SheetPart::Chart, SheetPart::Headroom, SheetPart::Kept, SheetPart::Calibrations})
            out.parts.erase(part);
    }
    return out;
}

std::string_view layoutWord(SheetLayout layout) {
    return kLayoutWords[static_cast<std::size_t>(layout)];
}
std::string_view paperWord(Paper paper) {
    return kPaperWords[static_cast<std::size_t>(paper)];
}
std::string_view partWord(SheetPart part) {
    return kPartWords[static_cast<std::size_t>(part)];
}
std::optional<SheetLayout> layoutFrom(std::string_view word) {
    return from<SheetLayout>(kLayoutWords, word);
}
std::optional<Paper> paperFrom(std::string_view word) {
    return from<Paper>(kPaperWords, word);
}
std::optional<SheetPart> partFrom(std::string_view word) {
    return from<SheetPart>(kPartWords, word);
}

Sentence partName(SheetPart part) {
    switch (part) {
    case SheetPart::Cautions:
        return say("Cautions");
    case SheetPart::Notes:
        return say("Notes");
    case SheetPart::Chart:
        return say("Cable chart");
    case SheetPart::Cables:
        return say("Cables in build order");
    case SheetPart::Knobs:
        return say("Knobs");
    case SheetPart::Pattern:
        return say("Pattern");
    case SheetPart::Scenes:
        return say("Scenes");
    case SheetPart::Tables:
        return say("Tables of converters");
    case SheetPart::Expect:
        return say("Should read at the way out");
    case SheetPart::Headroom:
        return say("Headroom along the way");
    case SheetPart::Normals:
        return say("Behind the panel");
    case SheetPart::Calibrations:
        return say("Calibrated knobs");
    case SheetPart::Unknowns:
        return say("Nobody wrote down");
    case SheetPart::Findings:
        return say("Findings still open");
    case SheetPart::Kept:
        return say("Found, and meant");
    case SheetPart::Sound:
        return say("What it sounds like");
    case SheetPart::Answers:
        return say("Asked on the Bench");
    case SheetPart::SecondPlayer:
        return say("For a second player");
    case SheetPart::Counts:
        return say("Cables needed");
    case SheetPart::PutBack:
        return say("To give back");
    case SheetPart::TakeApart:
        break;
    }
    return say("To take it apart");
}

PaperSize sizeOf(Paper paper) {
    switch (paper) {
    case Paper::A5:
        return {148.0, 210.0};
    case Paper::Letter:
        return {215.9, 279.4};
    case Paper::A4:
        break;
    }
    return {210.0, 297.0};
}

} // namespace lariat
