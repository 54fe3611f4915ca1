// How alike two recordings of the same thing are, apart from their loudness: what is in them, moment by moment.
#pragma once

#include <array>
#include <cstddef>
#include <span>
#include <vector>

namespace lariat {

/// Levels over time and bands, in dB of the loudest of them all (at least -60), at two grains: sixths of an octave from
/// 40 Hz in frames of 43 ms, for what sounds, and thirds from 160 Hz in frames of 11 ms, for how it begins. Each frame
/// begins in the middle of the one before. The same of one sound at any rate.
struct Likeness {
    struct Grain {
        std::size_t bands = 0;
        std::vector<float> levels; ///< frame by frame
        std::vector<float> floor;  ///< of noise, band by band; -60 where nothing is known of it
        double loudest = 0.0;      ///< power
    };
    std::array<Grain, 2> grains;
};

/// `noise`: what lay under it before it began; what is no louder than that is not compared.
Likeness likenessOf(std::span<const float> volts, double rate, std::span<const float> noise = {});
/// RMS in dB of what differs where at least one of them is above -50 dB and above the floor of `a`, both grains alike;
/// over the frames that both have. 60 where one is silent.
double unlikeness(const Likeness& a, const Likeness& b);

} // namespace lariat
