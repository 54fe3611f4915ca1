#include "library/own_scales.h"

#include "model/file.h"
#include "units/letters.h"
#include "units/tuning.h"

#include <algorithm>
#include <cmath>

#include <fmt/format.h>

namespace lariat {
namespace fs = std::filesystem;
namespace {

constexpr std::size_t kLongestName = 40;

/// The notes as a mask; 0 if one of them is no semitone.
unsigned maskOf(const Tuning& tuning) {
    if (tuning.period != 1200.0) return 0;
    unsigned mask = 0;
    for (const double cents : tuning.cents) {
        const long note = std::lround(cents / 100.0);
        if (std::abs(cents - 100.0 * static_cast<double>(note)) > 0.01) return 0;
        mask |= 1u << (note % 12);
    }
    return mask;
}

} // namespace

std::vector<OwnScale> ownScales(const fs::path& dataFolder) {
    std::vector<OwnScale> out;
    std::error_code problem;
    for (const auto& entry : fs::directory_iterator(dataFolder / "tunings", problem)) {
        if (lower(entry.path().extension().string()) != ".scl" || !entry.is_regular_file(problem)) continue;
        const auto text = readFile(entry.path());
        Sentence why;
        const auto tuning = text ? readScala(*text, why) : std::nullopt;
        if (const unsigned mask = tuning ? maskOf(*tuning) : 0) out.push_back({entry.path().stem().string(), mask});
    }
    std::ranges::sort(out, {}, &OwnScale::name);
    return out;
}

Result<void> saveScale(const fs::path& dataFolder, const OwnScale& scale) {
    const std::string name(trimmed(scale.name));
    const auto bad = [](char c) { return static_cast<unsigned char>(c) < 0x20 || c == '/' || c == '\\'; };
    if (name.empty() || name.size() > kLongestName || name.front() == '.' || std::ranges::any_of(name, bad))
        return failure(say("\"{}\" is no name for a scale: 1 to {} characters, without slashes", name.substr(0, 60),
                           kLongestName));
    const unsigned mask = (scale.mask & 0xFFF) | 1u;
    const fs::path file = dataFolder / "tunings" / (name + ".scl");
    for (const OwnScale& there : ownScales(dataFolder))
        if (there.name == name && there.mask != mask)
            return tl::unexpected(Error{file.string(), {}, say("holds another scale; choose another name")});
    std::error_code problem;
    fs::create_directories(file.parent_path(), problem);
    if (problem)
        return tl::unexpected(Error{file.parent_path().string(), {}, say("cannot be made: {}", problem.message())});
    std::string pitches;
    int count = 1; // the octave
    for (int n = 1; n < 12; ++n)
        if (mask & (1u << n)) {
            pitches += fmt::format(" {}.0\n", 100 * n);
            ++count;
        }
    return writeFile(file, fmt::format("! {}.scl\n!\n{}\n {}\n!\n{} 2/1\n", name, name, count, pitches),
                     FileKind::Text);
}

} // namespace lariat
