#include "units/key.h"

#include "units/pitch.h"

#include <algorithm>
#include <string>

namespace lariat {

bool Key::has(int note) const {
    const int above = ((note - root) % 12 + 12) % 12;
    return (mask >> above & 1u) != 0;
}

int Key::nearest(int note) const {
    for (int away = 0; away <= 6; ++away) {
        if (has(note - away)) return note - away;
        if (has(note + away)) return note + away;
    }
    return note;
}

int Key::moved(int note, int degrees) const {
    const int way = degrees < 0 ? -1 : 1;
    if ((mask & 0xFFF) == 0) return note;
    for (int left = std::abs(degrees); left > 0;) {
        note += way;
        if (has(note)) --left;
    }
    return note;
}

std::optional<Key> parseKey(std::string_view text) {
    const auto space = std::min(text.find(' '), text.size());
    const auto root = parseNote(std::string(text.substr(0, space)) + "4");
    if (!root) return std::nullopt;
    std::string_view scale = text.substr(space);
    while (scale.starts_with(' ')) scale.remove_prefix(1);
    if (scale.empty()) scale = "major";
    const auto* found =
        std::ranges::find(kNamedScales, scale, [](const NamedScale& s) { return std::string_view(s.name); });
    if (found == kNamedScales.end()) return std::nullopt;
    return Key{((*root % 12) + 12) % 12, found->mask};
}

} // namespace lariat
