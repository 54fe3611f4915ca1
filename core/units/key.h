// Scales by name, and the key of a patch: a root and one of them.
#pragma once

#include <array>
#include <optional>
#include <string_view>

namespace lariat {

struct NamedScale {
    const char* name;
    unsigned mask; ///< bit n: the note n semitones above the root
};
inline constexpr std::array<NamedScale, 9> kNamedScales = {{{"chromatic", 0xFFF},
                                                            {"major", 0xAB5},
                                                            {"minor", 0x5AD},
                                                            {"harmonic minor", 0x9AD},
                                                            {"dorian", 0x6AD},
                                                            {"major pentatonic", 0x295},
                                                            {"minor pentatonic", 0x4A9},
                                                            {"whole tones", 0x555},
                                                            {"octaves", 0x001}}};

struct Key {
    int root = 0; ///< 0 C … 11 B
    unsigned mask = 0xFFF;

    bool operator==(const Key&) const = default;
    [[nodiscard]] bool has(int note) const;
    /// The nearest note of the key; of two the lower.
    [[nodiscard]] int nearest(int note) const;
    /// So many notes of the key up, or down; one that is not in the key goes to the next one that is.
    [[nodiscard]] int moved(int note, int degrees) const;
};

/// "D minor", "F♯ dorian", "Bb"; a root alone is a major key. Nothing for anything else.
std::optional<Key> parseKey(std::string_view text);

} // namespace lariat
