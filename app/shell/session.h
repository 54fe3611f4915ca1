// What every place works with.
#pragma once

#include "shell/checker.h"
#include "shell/controllers.h"
#include "shell/document.h"
#include "shell/gestures.h"
#include "shell/jobs.h"
#include "shell/log_keeper.h"
#include "shell/navigator.h"
#include "shell/readings.h"
#include "shell/selection.h"
#include "shell/sound.h"

namespace lariat {

struct Session {
    Document& document;       ///< the open patch
    Sound& sound;             ///< what is heard of it
    Selection& selection;     ///< what is chosen in it
    Jobs& jobs;               ///< what is worked out in the background
    Checker& checker;         ///< what was found in it
    Readings& readings;       ///< what is measured of it, live
    Navigator& navigator;     ///< the way to other places
    Controllers& controllers; ///< what MIDI controllers turn in it
    Gestures& gestures;       ///< what hands play is taken into it
    LogKeeper* log = nullptr; ///< takes of it; none on a test stand
};

} // namespace lariat
