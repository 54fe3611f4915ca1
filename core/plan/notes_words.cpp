#include "plan/notes_words.h"

#include "model/pattern_text.h"
#include "units/letters.h"
#include "units/number.h"
#include "units/scale.h"

#include <cctype>
#include <sstream>

namespace lariat::notes {
namespace {

void replaceAll(std::string& text, std::string_view what, std::string_view with) {
    for (auto at = text.find(what); at != std::string::npos; at = text.find(what, at + with.size()))
        text.replace(at, what.size(), with);
}

} // namespace

const std::vector<Thing>& things() {
    static const std::vector<std::pair<std::vector<std::string_view>, std::vector<std::string_view>>> groups = {
        {{"vco", "osc", "oscillator"}, {"vco"}},
        {{"vcf", "filter", "lpf", "ladder", "low pass filter"}, {"svf", "ladder"}},
        {{"vca", "amp", "amplifier"}, {"vca", "vca-bank"}},
        {{"env", "eg", "envelope", "contour", "adsr", "envelope generator", "ad", "ar"}, {"contour"}},
        {{"lfo"}, {"lfo", "phase-lfo"}},
        {{"seq", "sequencer", "sequence", "tracks"}, {"track-sequencer", "step-sequencer"}},
        {{"clock", "clk", "master clock", "master clk"}, {"clock"}},
        {{"mixer", "mix"}, {"mixer", "stereo-mixer"}},
        {{"out", "output", "outs", "line out", "main out", "main", "speakers", "monitor", "audio out", "outputs"},
         {"line-out"}},
        {{"noise", "white noise"}, {"noise"}},
        {{"mult", "multiple"}, {"mult"}},
        {{"s&h", "sample hold", "sample and hold", "sample & hold"}, {"sample-hold"}},
        {{"attenuverter", "attenuator", "att"}, {"attenuverter"}},
        {{"quantizer", "quantiser", "quant"}, {"quantizer"}},
        {{"keys", "keyboard", "midi"}, {"keys", "midi-to-cv"}},
        {{"reverb", "verb"}, {"reverb"}},
        {{"delay", "echo"}, {"echo"}},
        {{"drive", "distortion", "dist"}, {"drive"}},
        {{"folder", "wavefolder", "wave folder"}, {"wavefolder"}},
        {{"ring mod", "ring modulator", "ring", "ringmod"}, {"ring"}},
        {{"slew", "lag", "portamento"}, {"slew"}},
        {{"comparator"}, {"comparator"}},
        {{"logic"}, {"logic"}},
        {{"divider", "clock divider"}, {"clock-divider"}},
        {{"random"}, {"random-source"}},
        {{"lpg", "low pass gate"}, {"low-pass-gate"}},
        {{"compressor"}, {"compressor"}},
        {{"adder"}, {"adder"}},
    };
    static const std::vector<Thing> all = [] {
        std::vector<Thing> out;
        for (const auto& [words, blocks] : groups)
            for (const std::string_view word : words) out.push_back({word, blocks});
        return out;
    }();
    return all;
}

Words wordsOf(std::string_view text) {
    std::istringstream in{std::string(text)};
    Words out;
    for (std::string word; in >> word;) {
        if (word.size() > 1 && word.ends_with(':')) word.erase(word.size() - 1);
        out.push_back(word);
    }
    return out;
}

std::string joined(const Words& words, std::size_t from) {
    std::string out;
    for (std::size_t i = from; i < words.size(); ++i) out += (out.empty() ? "" : " ") + words[i];
    return out;
}

std::string plainLine(std::string_view line) {
    std::string text = lower(line);
    for (const std::string_view arrow : {"-->", "->", "=>", "→", "⇒", ">>", "»"}) replaceAll(text, arrow, " > ");
    replaceAll(text, ">", " > ");
    for (const std::string_view tie : {" goes into ", " goes to ", " into ", " to "}) replaceAll(text, tie, " > ");
    for (const std::string_view mark : {"’", "`", "'"}) replaceAll(text, mark, "'");
    for (const std::string_view clock : {" o'clock", " oclock", " o clock", "o'clock", "oclock"})
        replaceAll(text, clock, ":00");
    replaceAll(text, "≈", " ~ ");
    replaceAll(text, "~", " ~ ");
    std::string out;
    for (std::size_t i = 0; i < text.size(); ++i) {
        const auto letter = [](char c) { return c >= 'a' && c <= 'z'; };
        const auto digit = [](char c) { return c >= '0' && c <= '9'; };
        out += text[i];
        // Two letters at least, so that notes ("d3") stay what they are.
        if (i + 1 < text.size() && i > 0 && letter(text[i]) && letter(text[i - 1]) && digit(text[i + 1]) &&
            (i + 2 >= text.size() || !letter(text[i + 2])))
            out += ' ';
    }
    return out;
}

Words clausesOf(const std::string& line) {
    Words out(1);
    for (std::size_t i = 0; i < line.size(); ++i) {
        const bool between = i > 0 && i + 1 < line.size() && std::isdigit(static_cast<unsigned char>(line[i - 1])) &&
                             std::isdigit(static_cast<unsigned char>(line[i + 1]));
        const bool stops =
            line[i] == '.' && (i + 1 == line.size() || (line[i + 1] == ' ' && i > 1 && line[i - 2] != ' ' && !between));
        if ((line[i] == ',' && !between) || line[i] == ';' || stops)
            out.emplace_back();
        else
            out.back() += line[i];
    }
    for (std::string& one : out) one = std::string(trimmed(one));
    std::erase(out, std::string());
    return out;
}

int numberOf(const std::string& name) {
    const char last = name.empty() ? ' ' : name.back();
    const bool alone = name.size() > 1 && name[name.size() - 2] == ' ';
    if (alone && last >= '1' && last <= '9') return last - '0';
    return alone && last >= 'A' && last <= 'H' ? last - 'A' + 1 : 0;
}

std::optional<std::pair<double, double>> thirdOf(const std::string& word) {
    if (among(word, std::array{"short", "low", "little", "small", "slow", "quick", "snappy", "dark", "soft", "quiet",
                               "subtle", "slight", "bit"}))
        return std::pair{0.0, 1.0 / 3.0};
    if (among(word, std::array{"long", "high", "lots", "big", "fast", "bright", "loud", "much", "strong", "heavy"}))
        return std::pair{2.0 / 3.0, 1.0};
    if (among(word, std::array{"medium", "mid", "middling", "moderate", "some"}))
        return std::pair{1.0 / 3.0, 2.0 / 3.0};
    return {};
}

std::optional<double> placeOf(const std::string& text) {
    if (among(text, std::array{"noon", "midday", "centre", "center", "middle", "half", "halfway", "12", "half way",
                               "straight up"}))
        return 0.5;
    if (among(text, std::array{"max", "full", "open", "fully open", "all the way up", "cw", "fully cw", "maximum",
                               "full up", "wide open", "fully up"}))
        return 1.0;
    if (among(text, std::array{"min", "zero", "off", "closed", "fully closed", "ccw", "fully ccw", "all the way down",
                               "minimum", "nothing", "fully down", "0"}))
        return 0.0;
    if (text == "quarter" || text == "a quarter") return 0.25;
    if (text == "three quarters") return 0.75;
    if (text.ends_with("h") && text.size() < 4)
        if (const auto hour = parseNumber(std::string_view(text).substr(0, text.size() - 1));
            hour && *hour >= 1 && *hour <= 12)
            return parseClockHand(text.substr(0, text.size() - 1) + ":00");
    return parseClockHand(text);
}

bool looksLikeSteps(const std::string& text) {
    const Words words = wordsOf(text);
    if (words.size() < 2) return false;
    const std::string all = joined(words);
    return readSteps(cleanSteps(all)).has_value() || (all.find('x') != std::string::npos && readHits(all).has_value());
}

std::string cleanSteps(std::string text) {
    text = lower(text);
    replaceAll(text, ",", " ");
    replaceAll(text, "|", " ");
    replaceAll(text, " rest", " -");
    replaceAll(text, "_", "=");
    replaceAll(text, " tie", " =");
    if (text.starts_with("rest")) text.replace(0, 4, "-");
    return std::string(trimmed(text));
}

} // namespace lariat::notes
