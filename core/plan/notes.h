// Taking in what somebody wrote down: free lines, as people note a patch, become a patch with unknowns on a case.
//
//   VCO1 saw -> VCF in, cutoff ~ 10 o'clock, res ?
//   env 1 to vca, decay short
//   seq: d3 d3 - f3
//
// Arrows (->, >, →) and "to" or "into" tie cables, in chains too; several ends are joined by "and", "&" or "+". A thing
// is named by what it is (vco, filter, env …), with a number where there are several, by its name in the case, or by a
// name that a line gave it ("lead = vco 1"). What is not in use yet is taken from the case, in its order. Knobs follow
// the thing that was named last. "?" is unknown, "~", "about" and "-ish" are known within 20 minutes of the dial,
// short, long, low, high, slow, fast and medium within a third of it. Jacks that nobody wrote down are those that
// usually go together. Each line is answered; what was not understood is kept in the description of the patch.
#pragma once

#include "library/library.h"
#include "units/sentence.h"

#include <string>
#include <string_view>
#include <vector>

namespace lariat {

inline constexpr std::size_t kMostNoteLines = 2000;
inline constexpr std::size_t kLongestNoteLine = 1000; ///< bytes

struct NoteAnswer {
    int line = 0;     ///< 1-based
    std::string text; ///< as it was written
    std::vector<Sentence> understood{};
    std::vector<Sentence> failed{};     ///< why what was not understood was not
    std::vector<std::string> choices{}; ///< what may have been meant instead

    [[nodiscard]] bool whole() const { return failed.empty(); }
};

struct NotesRead {
    Patch patch;
    std::vector<NoteAnswer> answers; ///< of lines that say something
    [[nodiscard]] int wholeLines() const;
};

/// `start` is a patch in the case that is meant, usually an empty one. Fails for texts that are too long.
Result<NotesRead> readNotes(std::string_view text, const Patch& start, const Library& library, const Case& housing);

} // namespace lariat
