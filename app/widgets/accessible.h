// What a screen reader is told of knobs; the chart has its own beside it.
#pragma once

namespace lariat {

/// Called once, before the first window is made.
void speakToScreenReaders();

} // namespace lariat
