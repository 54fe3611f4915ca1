// Seeded random numbers that are the same on every machine.
#pragma once

#include <cmath>
#include <cstdint>

namespace lariat {

/// splitmix64 (Steele, Lea, Flood 2014): passes BigCrush, eight bytes of state.
struct Random {
    std::uint64_t state = 1;

    std::uint64_t next() {
        std::uint64_t z = (state += 0x9e3779b97f4a7c15u);
        z = (z ^ (z >> 30)) * 0xbf58476d1ce4e5b9u;
        z = (z ^ (z >> 27)) * 0x94d049bb133111ebu;
        return z ^ (z >> 31);
    }
    /// The sum of four uniforms in [-1, 1) of sixteen bits each, nearly Gaussian; its RMS is 2/√3.
    float gaussian() {
        const std::uint64_t z = next();
        const auto sum = static_cast<int>(z >> 48) + static_cast<int>(z >> 32 & 0xffff) +
                         static_cast<int>(z >> 16 & 0xffff) + static_cast<int>(z & 0xffff);
        return static_cast<float>(sum - 2 * 0xffff) * 0x1p-15f;
    }
    /// Uniform in [-1, 1).
    float bipolar() { return static_cast<float>(static_cast<double>(next() >> 11) * 0x1p-52 - 1.0); }
};

} // namespace lariat
