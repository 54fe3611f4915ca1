// Questions that a patch sheet asks: how they are written into a patch, and their answers when it is printed.
#pragma once

#include "ask/asking.h"
#include "sheet/sheet.h"

namespace lariat {

/// The question as a patch keeps it. Fails for what does not travel with a patch: recordings, and other patches.
Result<SheetQuestion> forSheet(const Asking& asking);
/// The question as it is asked; nothing if this version does not know it.
std::optional<Asking> askedAs(const SheetQuestion& question, const Patch& patch);
/// Asks those of a patch, each in a silent run. What cannot be answered says why. Nothing if it was stopped.
std::optional<std::vector<SheetAnswer>> sheetAnswers(const Patch& patch, const Library& library,
                                                     const Speaker& speak = inEnglish,
                                                     const std::function<bool(double)>& progress = {});

} // namespace lariat
