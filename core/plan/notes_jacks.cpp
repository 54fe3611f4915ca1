#include "plan/notes_jacks.h"

#include "library/words.h"
#include "plan/notes_words.h"

#include <algorithm>

namespace lariat::notes {

int jackFits(const JackInfo& jack, const std::string& written) {
    if (written.empty()) return 1;
    std::string word = looseWords(written);
    for (const Other& other : kJackWords)
        if (word == other.typed) word = other.means;
    const std::string name = looseWords(jack.name);
    const std::string id = looseWords(jack.id);
    if (word == name || word == id) return 9;
    if (among(written, kPitchWords) && jack.kind == SignalKind::Pitch) return 8;
    if (word + " 1" == name || word + " l" == name) return 7;
    if (name.starts_with(word + " ") || id.starts_with(word + " ")) return 6;
    if (among(word, kGateWords) && jack.kind == SignalKind::Gate) return 5;
    if (word.size() > 2 && (name.starts_with(word) || id.starts_with(word))) return 5;
    if (word.size() > 2 && (name.find(word) != std::string::npos || id.find(word) != std::string::npos)) return 4;
    if (among(word, kLevelWords) && !jack.output && jack.kind == SignalKind::Control) return 3;
    return 0;
}

bool aimsAt(const PartInfo& part, const JackInfo& jack, const std::string& written) {
    if (jack.output || written.empty()) return false;
    const BlockType& type = *part.blocks[static_cast<std::size_t>(jack.at.block)].type;
    const JackSpec& spec = type.inputs[static_cast<std::size_t>(jack.at.index)];
    std::string word = looseWords(written);
    for (const std::string_view tail : {" cv", " mod", " in", " input"})
        if (word.ends_with(tail)) word.erase(word.size() - tail.size());
    return std::ranges::any_of(spec.aims, [&](const auto& aim) {
        const std::string control = looseWords(aim.control);
        if (control == word || (word.size() > 2 && control.starts_with(word))) return true;
        return std::ranges::any_of(kKnobWords, [&](const Other& o) { return o.typed == word && control == o.means; });
    });
}

int together(SignalKind from, SignalKind to) {
    if (from == to) return from == SignalKind::Pitch ? 7 : 6;
    const bool pulses =
        (from == SignalKind::Gate || from == SignalKind::Clock) && (to == SignalKind::Gate || to == SignalKind::Clock);
    if (pulses) return 4;
    if (from == SignalKind::Control && to == SignalKind::Pitch) return 1;
    return 0;
}

} // namespace lariat::notes
