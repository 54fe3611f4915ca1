// The first three formants of vowels as grown men speak them.
// Source: Peterson & Barney 1952, "Control methods used in a study of the vowels", JASA 24, table II.
#pragma once

#include <array>

namespace lariat {

struct Vowel {
    const char* name; ///< as in the word behind it
    const char* word;
    std::array<double, 3> hertz;
};

inline constexpr std::array<Vowel, 10> kVowels = {{{"ee", "heed", {270.0, 2290.0, 3010.0}},
                                                   {"i", "hid", {390.0, 1990.0, 2550.0}},
                                                   {"e", "head", {530.0, 1840.0, 2480.0}},
                                                   {"a", "had", {660.0, 1720.0, 2410.0}},
                                                   {"ah", "hod", {730.0, 1090.0, 2440.0}},
                                                   {"aw", "hawed", {570.0, 840.0, 2410.0}},
                                                   {"u", "hood", {440.0, 1020.0, 2240.0}},
                                                   {"oo", "who'd", {300.0, 870.0, 2240.0}},
                                                   {"uh", "hud", {640.0, 1190.0, 2390.0}},
                                                   {"er", "heard", {490.0, 1350.0, 1690.0}}}};

} // namespace lariat
