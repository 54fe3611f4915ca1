// A patch sheet as Markdown read back: what stands on it becomes the patch again.
//
// Posts by their module, part and place in the case, knobs by their values, cables with length, colour, note and
// heading, the steps of the one sequencer, scenes. What a sheet does not say (gate lengths of steps, headings' colours)
// is as usual.
#pragma once

#include "library/workspace.h"
#include "plan/notes.h"

namespace lariat {

/// It looks like a sheet of ours: a title, and tables of rows or knobs.
bool isSheetText(std::string_view text);
/// Lines that could not be read are answered; the others are read. Fails if its case is not here.
Result<NotesRead> readSheetText(std::string_view text, const Workspace& workspace);

} // namespace lariat
