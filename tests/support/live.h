// A live engine under test.
#pragma once

#include "engine/engine.h"

#include <algorithm>
#include <string>
#include <vector>

namespace lariat::test {

/// What it gives to the device, block by block: left and right in turn.
inline std::vector<float> played(Engine& engine, std::size_t frames, std::size_t block = 256) {
    std::vector<float> out(2 * frames);
    for (std::size_t done = 0; done < frames; done += block)
        engine.process(out.data() + 2 * done, std::min(block, frames - done));
    return out;
}

} // namespace lariat::test
