// How a patch sheet is to look: its layout, its paper, and what stands on it.
#pragma once

#include "units/sentence.h"

#include <array>
#include <optional>
#include <set>
#include <string_view>

namespace lariat {

enum class SheetLayout {
    OnePage,  ///< the chart and the knobs that matter, on one page
    Workbook, ///< in build order, voice after voice, in large type with boxes to tick
    Archive   ///< everything
};
enum class Paper { A4, A5, Letter };

/// What can stand on a sheet, in the order in which it does.
enum class SheetPart {
    Cautions,
    Notes,
    Chart,
    Cables,
    Knobs,
    Pattern,
    Scenes,
    Tables,
    Expect,
    Headroom,
    Normals,
    Calibrations,
    Unknowns,
    Findings,
    Kept,
    Sound,
    Answers,
    SecondPlayer,
    Counts,
    PutBack,
    TakeApart
};
inline constexpr int kSheetParts = 21;

struct SheetSettings {
    SheetLayout layout = SheetLayout::Archive;
    Paper paper = Paper::A4;
    bool landscape = true;
    bool colour = true; ///< else kinds differ by mark and line alone
    std::set<SheetPart> parts{};

    [[nodiscard]] bool has(SheetPart part) const { return parts.contains(part); }
    /// Knobs that stand at their rest, or do nothing, are shown too.
    [[nodiscard]] bool everyKnob() const { return layout == SheetLayout::Archive; }
    bool operator==(const SheetSettings&) const = default;
};

/// A layout with what usually stands on it.
SheetSettings settingsFor(SheetLayout layout);
/// "one-page", "workbook", "archive"; "a4", "a5", "letter"; "chart", "take-apart" …
std::string_view layoutWord(SheetLayout layout);
std::string_view paperWord(Paper paper);
std::string_view partWord(SheetPart part);
std::optional<SheetLayout> layoutFrom(std::string_view word);
std::optional<Paper> paperFrom(std::string_view word);
std::optional<SheetPart> partFrom(std::string_view word);
/// Its heading on the sheet.
Sentence partName(SheetPart part);

/// Of a page upright, in millimetres.
struct PaperSize {
    double width = 210.0;
    double height = 297.0;
};
PaperSize sizeOf(Paper paper);

} // namespace lariat
