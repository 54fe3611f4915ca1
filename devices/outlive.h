// Sound systems are programs of their own that may go while this one talks to them.
#pragma once

#include <csignal>

namespace lariat {

/// Writing to a sound system that has gone fails from now on, and does not end the program.
inline void outliveSoundSystems() {
    std::signal(SIGPIPE, SIG_IGN);
}

} // namespace lariat
