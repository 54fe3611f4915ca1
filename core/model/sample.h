// A recording that a block plays.
#pragma once

#include <string>
#include <vector>

namespace lariat {

struct Sample {
    std::string name;
    double rate = 48000.0;
    std::vector<float> left; ///< ±1 full scale
    std::vector<float> right;
};

} // namespace lariat
