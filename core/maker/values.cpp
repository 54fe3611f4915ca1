#include "maker/values.h"

#include <array>

#include <fmt/format.h>

namespace lariat {

std::string exactText(const Scale& scale, double value) {
    std::string text = scale.text(value);
    if (scale.parse(text) == value) return text;
    constexpr std::array<const char*, 11> kUnits = {"",    " V",   " Hz", " s",   " %", " st",
                                                    " ct", " oct", " dB", " BPM", " x"};
    return fmt::format("{}{}", value, kUnits[static_cast<std::size_t>(scale.unit)]);
}

} // namespace lariat
