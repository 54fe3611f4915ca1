// What is played by hand: MIDI messages in time, on the keys, the MIDI converter or the pad of a patch.
#pragma once

#include "model/extra.h"

#include <cstddef>
#include <cstdint>
#include <string>
#include <vector>

namespace lariat {

/// A message of three bytes at most, as the MIDI 1.0 specification has it.
struct MidiMessage {
    std::uint8_t status = 0; ///< kind in the upper half, channel 0…15 in the lower; 0xF8 clock, 0xFA start, 0xFB
                             ///< continue, 0xFC stop
    std::uint8_t data1 = 0;
    std::uint8_t data2 = 0;

    [[nodiscard]] int kind() const { return status >= 0xF0 ? status : status & 0xF0; }
    [[nodiscard]] int channel() const { return status & 0x0F; }
    bool operator==(const MidiMessage&) const = default;
};

struct PlayedMessage {
    double beat = 0.0;
    MidiMessage message;

    bool operator==(const PlayedMessage&) const = default;
};

inline constexpr std::size_t kMaxMessages = 200'000; ///< of a performance

/// What is played at `post`, at a tempo of its own, whatever the clocks of the patch do.
struct Performance {
    std::string post;
    double tempo = 120.0;                ///< beats per minute
    double lengthBeats = 0;              ///< played again after that many beats; 0: once
    std::vector<PlayedMessage> messages; ///< in order of time
    Extra extra{};

    bool operator==(const Performance&) const = default;
};

} // namespace lariat
