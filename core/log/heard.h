// What a take sounds like, in a few figures and a small picture; and how two of them differ.
#pragma once

#include "library/library.h"
#include "units/sentence.h"

#include <array>
#include <cstdint>
#include <functional>
#include <map>
#include <optional>
#include <string>
#include <string_view>
#include <vector>

namespace lariat {

/// By id, see figuresOf.
using Figures = std::map<std::string, double>;

enum class FigureKind { Loudness, Volts, Note, Hertz, Decibels, Seconds, Tempo, Count };
/// A figure that takes are told apart, and found again, by.
struct FigureInfo {
    const char* id;   ///< "tail"
    const char* name; ///< in English; a sentence of its own
    FigureKind kind;
};
/// In the order in which they are shown.
///   level       integrated loudness (BS.1770) in LUFS
///   peak, dc    volts at the way out, of the louder side
///   note, tail  note number (C4 = 60) with cents as its fraction: of a steady tone, of where a drum comes to rest
///   brightness  centre of the power spectrum in Hz
///   treble      power above 2 kHz against all of it, in dB
///   decay       median over the hits of the time from a hit's loudest 25 ms to 20 dB below, in seconds
///   tempo       of the clock
///   findings    mistakes and cautions that are open
const std::vector<FigureInfo>& allFigures();
const FigureInfo* figureNamed(std::string_view id);
Sentence figureName(const FigureInfo& figure);
/// "-9.1 LUFS", "D1 +11", "310 ms"
std::string figureText(const FigureInfo& figure, double value);
/// "0.3 dB louder", "8 cents lower"; empty if nobody would hear or care.
Sentence figureDifference(const FigureInfo& figure, double before, double after);

inline constexpr std::size_t kThumbColumns = 64;
inline constexpr std::size_t kThumbBands = 30; ///< thirds of an octave from 25 Hz to 20 kHz

/// A small picture of a sound: its outline, and its spectrum.
struct Thumb {
    struct Column {
        std::int8_t low = 0; ///< in 127ths of full scale
        std::int8_t high = 0;
        bool operator==(const Column&) const = default;
    };
    std::array<Column, kThumbColumns> outline{};
    std::array<std::uint8_t, kThumbBands> bands{}; ///< dB above -96 dB of the whole, in halves

    bool operator==(const Thumb&) const = default;
};

struct TakeSound {
    Figures figures;
    Thumb thumb{};
    std::vector<float> mix; ///< interleaved stereo at 48 kHz, ±1 is 0 dBFS
};

inline constexpr double kTakeRate = 48000.0;
inline constexpr double kTakeSeconds = 8.0;

/// What a sound at kTakeRate measures; figures that it cannot carry (a tail of a drone) are not there.
TakeSound hear(std::vector<float> mix);
/// Runs a checked patch silently, as it is heard: seconds from its start. `progress` may stop it.
Result<TakeSound> hearPatch(const Patch& patch, const Library& library, double seconds,
                            const std::function<bool(double)>& progress = {});

} // namespace lariat
