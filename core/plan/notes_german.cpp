#include "plan/notes_german.h"

#include "units/letters.h"

#include <algorithm>
#include <array>
#include <string_view>

namespace lariat::notes {
namespace {

struct Meant {
    std::string_view german;
    std::string_view english;
};

/// Several words, the longer ones first.
constexpr std::array kPhrases = {
    Meant{"abtasten und halten", "sample and hold"},
    Meant{"keine ahnung", "no idea"},
    Meant{"weiß nicht", "dunno"},
    Meant{"weiss nicht", "dunno"},
    Meant{"geht in den", ">"},
    Meant{"geht in die", ">"},
    Meant{"geht in das", ">"},
    Meant{"geht an den", ">"},
    Meant{"geht an die", ">"},
    Meant{"geht nach", ">"},
    Meant{"geht ins", ">"},
    Meant{"geht in", ">"},
    Meant{"geht an", ">"},
    Meant{"in den", ">"},
    Meant{"in die", ">"},
    Meant{"in das", ">"},
    Meant{"an den", ">"},
    Meant{"an die", ">"},
    Meant{"an das", ">"},
    Meant{"auf den", ">"},
    Meant{"aus dem", "from"},
    Meant{"ein uhr", "1 o'clock"},
    Meant{"zwei uhr", "2 o'clock"},
    Meant{"drei uhr", "3 o'clock"},
    Meant{"vier uhr", "4 o'clock"},
    Meant{"fünf uhr", "5 o'clock"},
    Meant{"sechs uhr", "6 o'clock"},
    Meant{"sieben uhr", "7 o'clock"},
    Meant{"acht uhr", "8 o'clock"},
    Meant{"neun uhr", "9 o'clock"},
    Meant{"zehn uhr", "10 o'clock"},
    Meant{"elf uhr", "11 o'clock"},
    Meant{"zwölf uhr", "12 o'clock"},
    Meant{"aus der", "from"},
    Meant{"ganz auf", "full"},
    Meant{"voll auf", "full"},
    Meant{"ganz zu", "closed"},
};

constexpr std::array kWords = {
    // ways
    Meant{"nach", ">"},
    Meant{"ins", ">"},
    Meant{"ans", ">"},
    Meant{"zum", ">"},
    Meant{"zur", ">"},
    Meant{"und", "and"},
    Meant{"vom", "of"},
    Meant{"von", "of"},
    // things
    Meant{"oszillator", "vco"},
    Meant{"osz", "vco"},
    Meant{"hüllkurve", "env"},
    Meant{"huellkurve", "env"},
    Meant{"verstärker", "vca"},
    Meant{"verstaerker", "vca"},
    Meant{"takt", "clock"},
    Meant{"taktgeber", "clock"},
    Meant{"rauschen", "noise"},
    Meant{"mischer", "mixer"},
    Meant{"ausgang", "out"},
    Meant{"eingang", "in"},
    Meant{"sequenzer", "sequencer"},
    Meant{"tasten", "keys"},
    Meant{"tastatur", "keys"},
    Meant{"hall", "reverb"},
    Meant{"verzögerung", "delay"},
    Meant{"verzoegerung", "delay"},
    Meant{"verzerrer", "drive"},
    Meant{"wellenfalter", "wavefolder"},
    Meant{"quantisierer", "quantizer"},
    Meant{"teiler", "divider"},
    Meant{"taktteiler", "divider"},
    Meant{"zufall", "random"},
    Meant{"kompressor", "compressor"},
    Meant{"addierer", "adder"},
    Meant{"ringmodulator", "ringmod"},
    Meant{"vergleicher", "comparator"},
    Meant{"logik", "logic"},
    // jacks
    Meant{"sägezahn", "saw"},
    Meant{"saegezahn", "saw"},
    Meant{"säge", "saw"},
    Meant{"rechteck", "square"},
    Meant{"dreieck", "triangle"},
    Meant{"puls", "pulse"},
    Meant{"tiefpass", "lowpass"},
    Meant{"hochpass", "highpass"},
    Meant{"bandpass", "bandpass"},
    Meant{"tonhöhe", "pitch"},
    Meant{"tonhoehe", "pitch"},
    Meant{"links", "left"},
    Meant{"rechts", "right"},
    // knobs
    Meant{"grenzfrequenz", "cutoff"},
    Meant{"eckfrequenz", "cutoff"},
    Meant{"frequenz", "freq"},
    Meant{"resonanz", "resonance"},
    Meant{"anstieg", "attack"},
    Meant{"abfall", "decay"},
    Meant{"haltepegel", "sustain"},
    Meant{"ausklang", "release"},
    Meant{"oktave", "octave"},
    Meant{"feinstimmung", "fine"},
    Meant{"pulsbreite", "pw"},
    Meant{"geschwindigkeit", "rate"},
    Meant{"lautstärke", "volume"},
    Meant{"lautstaerke", "volume"},
    Meant{"pegel", "level"},
    Meant{"rückkopplung", "feedback"},
    Meant{"rueckkopplung", "feedback"},
    Meant{"kurve", "curve"},
    Meant{"welle", "wave"},
    // places
    Meant{"kurz", "short"},
    Meant{"lang", "long"},
    Meant{"hoch", "high"},
    Meant{"tief", "low"},
    Meant{"niedrig", "low"},
    Meant{"langsam", "slow"},
    Meant{"schnell", "fast"},
    Meant{"mittel", "medium"},
    Meant{"mitte", "noon"},
    Meant{"mittig", "noon"},
    Meant{"viel", "much"},
    Meant{"wenig", "little"},
    Meant{"hell", "bright"},
    Meant{"dunkel", "dark"},
    Meant{"leise", "quiet"},
    Meant{"laut", "loud"},
    Meant{"offen", "open"},
    Meant{"voll", "full"},
    Meant{"geschlossen", "closed"},
    Meant{"zu", "closed"},
    Meant{"aus", "off"},
    Meant{"etwa", "about"},
    Meant{"ungefähr", "about"},
    Meant{"ungefaehr", "about"},
    Meant{"rund", "about"},
    Meant{"uhr", "o'clock"},
    Meant{"unbekannt", "unknown"},
    Meant{"vergessen", "forgot"},
    Meant{"irgendwo", "somewhere"},
    Meant{"irgendwohin", "somewhere"},
    Meant{"irgendein", "some"},
    Meant{"irgendeine", "some"},
    Meant{"irgendeinen", "some"},
    Meant{"irgendetwas", "something"},
    // steps
    Meant{"pause", "rest"},
    Meant{"gebunden", "tie"},
    Meant{"schritte", "steps"},
    Meant{"noten", "notes"},
    Meant{"melodie", "melody"},
    Meant{"trommeln", "drums"},
    Meant{"schläge", "hits"},
    Meant{"schlaege", "hits"},
    Meant{"spur", "track"},
};

/// They say nothing by themselves, and an English line may have one: they count only beside other German words.
constexpr std::array<std::string_view, 14> kSmall = {"der",  "die",   "das",   "den", "dem",   "des", "ein",
                                                     "eine", "einen", "einem", "ist", "steht", "auf", "bei"};

bool isLetter(char c) {
    return (c >= 'a' && c <= 'z') || (c >= 'A' && c <= 'Z') || static_cast<unsigned char>(c) >= 0x80;
}

/// Calls `each` with every run of letters, and of what is between.
template <class Each> void pieces(std::string_view text, Each each) {
    while (!text.empty()) {
        const bool letters = isLetter(text.front());
        std::size_t n = 1;
        while (n < text.size() && isLetter(text[n]) == letters) ++n;
        each(text.substr(0, n), letters);
        text.remove_prefix(n);
    }
}

/// A phrase in place of its German words, where whole words begin and end.
bool replacePhrases(std::string& text) {
    bool any = false;
    for (const Meant& phrase : kPhrases)
        for (auto at = text.find(phrase.german); at != std::string::npos; at = text.find(phrase.german, at + 1)) {
            const std::size_t end = at + phrase.german.size();
            if ((at > 0 && isLetter(text[at - 1])) || (end < text.size() && isLetter(text[end]))) continue;
            text.replace(at, phrase.german.size(), phrase.english);
            any = true;
        }
    return any;
}

} // namespace

std::string fromGerman(const std::string& line) {
    std::string text = lower(line);
    bool german = replacePhrases(text);
    std::string out;
    pieces(text, [&](std::string_view piece, bool letters) {
        const auto* known = letters ? std::ranges::find(kWords, piece, &Meant::german) : kWords.end();
        if (known != kWords.end()) {
            out += known->english;
            german = true;
        } else {
            out += piece;
        }
    });
    if (!german) return line;
    std::string plain;
    pieces(out, [&](std::string_view piece, bool letters) {
        if (!letters || std::ranges::find(kSmall, piece) == kSmall.end())
            plain += piece;
        else
            plain += piece == "auf" || piece == "bei" ? "at" : piece == "ist" || piece == "steht" ? "is" : "the";
    });
    return plain;
}

} // namespace lariat::notes
