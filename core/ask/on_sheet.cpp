#include "ask/on_sheet.h"

#include "units/letters.h"

#include <algorithm>
#include <array>
#include <charconv>
#include <sstream>

namespace lariat {
namespace {

/// Words that switch something on.
struct Word {
    const char* text;
    bool Asking::*asking = nullptr;
    bool AskOptions::*options = nullptr;
};
constexpr std::array kWords = {
    Word{"real-case", &Asking::realCase, nullptr}, Word{"scenes", &Asking::scenes, nullptr},
    Word{"alias", &Asking::twice, nullptr},        Word{"lanes", nullptr, &AskOptions::lanes},
    Word{"xy", nullptr, &AskOptions::xy},          Word{"averaged", nullptr, &AskOptions::averaged},
    Word{"linear", nullptr, &AskOptions::linear},  Word{"sidebands", nullptr, &AskOptions::sidebands}};
constexpr std::string_view kSeconds = "seconds=";
constexpr std::string_view kWindow = "window=";
constexpr std::string_view kVowel = "vowel=";
constexpr double kLongestAsked = 120.0; ///< seconds

bool& flagOf(Asking& asking, const Word& word) {
    return word.asking ? asking.*word.asking : asking.options.*word.options;
}

std::optional<double> numberBehind(const std::string& word, std::string_view key) {
    if (!word.starts_with(key)) return std::nullopt;
    double value = 0.0;
    const char* const end = word.data() + word.size();
    const auto read = std::from_chars(word.data() + key.size(), end, value);
    if (read.ec != std::errc{} || read.ptr != end || !(value > 0.0 && value <= kLongestAsked)) return std::nullopt;
    return value;
}

std::string nameOf(const JackRef& jack, const Patch& patch, const Library& library, const Speaker& speak) {
    if (!jack.post.empty()) return trackName(patch, library, jack);
    return speak(jack.jack == "right" ? say("way out, right") : say("way out"));
}

} // namespace

Result<SheetQuestion> forSheet(const Asking& asking) {
    if (!asking.recordings.empty() || asking.question == Question::Real)
        return failure(say("a recording does not travel with the patch: ask of jacks alone"));
    if (asking.against) return failure(say("another patch does not travel with this one: ask of jacks alone"));
    if (asking.played) return failure(say("what is played into a jack is not kept with the patch"));
    if (asking.question == Question::Shape && asking.step)
        return failure(say("the step that a picture begins with is not kept with the patch: choose another beginning"));
    if (asking.question == Question::Note && asking.options.tuning)
        return failure(say("the tuning that notes are held against is not kept with the patch: choose none"));
    SheetQuestion out{questionId(asking.question), asking.jacks};
    if (out.of.empty()) out.of.push_back({});
    const auto add = [&](const std::string& word) { out.with += (out.with.empty() ? "" : " ") + word; };
    Asking copy = asking;
    for (const Word& word : kWords)
        if (flagOf(copy, word)) add(word.text);
    if (asking.seconds > 0.0) add(fmt::format("{}{:g}", kSeconds, asking.seconds));
    if (asking.options.window) add(fmt::format("{}{:g}", kWindow, *asking.options.window));
    if (!asking.options.vowel.empty()) add(std::string(kVowel) + asking.options.vowel);
    return out;
}

std::optional<Asking> askedAs(const SheetQuestion& question, const Patch& patch) {
    const auto known = questionNamed(question.question);
    if (!known || *known == Question::Real || question.of.empty() || question.of.size() > kMostTracks)
        return std::nullopt;
    Asking out;
    out.question = *known;
    out.jacks = question.of;
    out.options.key = parseKey(patch.key);
    std::istringstream words(question.with);
    for (std::string word; words >> word;) {
        for (const Word& one : kWords)
            if (word == one.text) flagOf(out, one) = true;
        if (const auto seconds = numberBehind(word, kSeconds)) out.seconds = *seconds;
        if (const auto window = numberBehind(word, kWindow)) out.options.window = *window;
        if (word.starts_with(kVowel)) out.options.vowel = word.substr(kVowel.size());
    }
    return out;
}

std::optional<std::vector<SheetAnswer>> sheetAnswers(const Patch& patch, const Library& library, const Speaker& speak,
                                                     const std::function<bool(double)>& progress) {
    std::vector<SheetAnswer> out;
    for (const SheetQuestion& question : patch.asked) {
        auto asking = askedAs(question, patch);
        if (!asking) { // of a later version
            out.push_back({question.question, speak(say("this version cannot ask it")), nullptr});
            continue;
        }
        std::string names;
        for (const JackRef& jack : question.of)
            names += (names.empty() ? "" : ", ") + nameOf(jack, patch, library, speak);
        asking->wayOut = speak(say("way out"));
        SheetAnswer one{speak(questionText(asking->question)) + " " + names, {}, nullptr};
        auto answer = answerTo(*asking, &patch, library, progress);
        if (progress && !progress(1.0)) return std::nullopt;
        if (answer) {
            one.sentence = speak(answer->verdict);
            one.answer = std::make_shared<const Answer>(std::move(*answer));
        } else {
            one.sentence = speak(answer.error().reason);
        }
        out.push_back(std::move(one));
    }
    return out;
}

} // namespace lariat
