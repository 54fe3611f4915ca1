// What every place works with: the open patch, its sound, and what was found in it.
#pragma once

#include "shell/checker.h"
#include "shell/document.h"
#include "shell/sound.h"

namespace lariat {

struct Session {
    Document& document;
    Sound& sound;
    Checker& checker;
};

} // namespace lariat
