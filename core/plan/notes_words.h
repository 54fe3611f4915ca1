// The words of notes: what people call things, jacks, knobs and places, and how a line is taken apart.
#pragma once

#include <algorithm>
#include <array>
#include <optional>
#include <string>
#include <string_view>
#include <utility>
#include <vector>

namespace lariat::notes {

using Words = std::vector<std::string>;

/// What people call things, and the blocks that are that.
struct Thing {
    std::string_view word;
    std::vector<std::string_view> blocks;
};
const std::vector<Thing>& things();

/// Other words for those on panels.
struct Other {
    std::string_view typed;
    std::string_view means;
};
inline constexpr std::array kJackWords = {Other{"sawtooth", "saw"},
                                          Other{"ramp", "saw"},
                                          Other{"square", "pulse"},
                                          Other{"sqr", "pulse"},
                                          Other{"sq", "pulse"},
                                          Other{"tri", "triangle"},
                                          Other{"sin", "sine"},
                                          Other{"sinus", "sine"},
                                          Other{"lp", "low pass"},
                                          Other{"lowpass", "low pass"},
                                          Other{"low", "low pass"},
                                          Other{"hp", "high pass"},
                                          Other{"highpass", "high pass"},
                                          Other{"bp", "band pass"},
                                          Other{"bandpass", "band pass"},
                                          Other{"clk", "clock"},
                                          Other{"rst", "reset"},
                                          Other{"trig", "trigger"},
                                          Other{"pw", "pwm"},
                                          Other{"eoc", "end"},
                                          Other{"inv", "inverted"},
                                          Other{"inverse", "inverted"},
                                          Other{"audio", "in"},
                                          Other{"input", "in"},
                                          Other{"output", "out"},
                                          Other{"left", "l"},
                                          Other{"right", "r"},
                                          Other{"hard sync", "sync"}};
inline constexpr std::array kPitchWords = {"v/oct",    "1v/oct",   "voct",  "pitch",   "v/o", "1v",
                                           "cv pitch", "pitch cv", "v oct", "1 v/oct", "note"};
inline constexpr std::array kGateWords = {"gate", "trigger", "gate out", "gate in", "trig out", "trigger out"};
inline constexpr std::array kLevelWords = {"cv", "mod", "level", "amount", "vc", "cv in", "env", "modulation"};

inline constexpr std::array kKnobWords = {
    Other{"freq", "cutoff"},    Other{"frequency", "cutoff"},  Other{"cut", "cutoff"},    Other{"res", "resonance"},
    Other{"reso", "resonance"}, Other{"q", "resonance"},       Other{"att", "attack"},    Other{"a", "attack"},
    Other{"dec", "decay"},      Other{"d", "decay"},           Other{"sus", "sustain"},   Other{"s", "sustain"},
    Other{"rel", "release"},    Other{"r", "release"},         Other{"coarse", "octave"}, Other{"oct", "octave"},
    Other{"range", "octave"},   Other{"tune", "fine"},         Other{"tuning", "fine"},   Other{"detune", "fine"},
    Other{"pw", "width"},       Other{"pulse width", "width"}, Other{"speed", "rate"},    Other{"freq", "rate"},
    Other{"bpm", "tempo"},      Other{"vol", "level"},         Other{"volume", "level"},  Other{"fb", "feedback"},
    Other{"wet", "mix"},        Other{"amount", "fm"},         Other{"fm amount", "fm"},  Other{"shape", "curve"},
    Other{"level", "offset"},   Other{"bias", "offset"},       Other{"gain", "level"},    Other{"mode", "type"},
    Other{"waveform", "wave"}};

Words wordsOf(std::string_view text);
std::string joined(const Words& words, std::size_t from = 0);
/// In small letters, arrows as one sign, a word and its number apart ("vco1" is "vco 1").
std::string plainLine(std::string_view line);
/// Commas, semicolons and full stops at the end part what is said; those within figures do not.
Words clausesOf(const std::string& line);
bool among(std::string_view word, const auto& words) {
    return std::ranges::find(words, word) != std::end(words);
}
/// "VCA 2" and "Osc B" are the second of theirs; 0: the name says nothing.
int numberOf(const std::string& name);
/// Between which fractions of the travel words like "short" leave a knob.
std::optional<std::pair<double, double>> thirdOf(const std::string& word);
/// The fraction of the travel at a place: "noon", "10:20", "full".
std::optional<double> placeOf(const std::string& text);
bool looksLikeSteps(const std::string& text);
/// Steps as people write them: commas between, "rest", "_" for a tie.
std::string cleanSteps(std::string text);

} // namespace lariat::notes
