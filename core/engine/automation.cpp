#include "engine/automation.h"

#include <algorithm>
#include <cmath>
#include <map>

namespace lariat {

int AutomationLine::pieceAt(double beat) const {
    const auto after = std::ranges::upper_bound(pieces, beat, {}, &AutomationPiece::from);
    return static_cast<int>(after - pieces.begin()) - 1;
}

double AutomationLine::valueAt(int piece, double beat) const {
    const AutomationPiece& p = pieces[static_cast<std::size_t>(piece)];
    const double length = p.to - p.from;
    const double part = length > 0.0 ? std::clamp((beat - p.from) / length, 0.0, 1.0) : 1.0;
    return scale.toValue(p.begin + part * (p.end - p.begin));
}

std::vector<AutomationLine> automationOf(const Patch& patch, const Library& library) {
    std::map<std::pair<std::string, std::string>, AutomationLine> lines;
    const auto lineFor = [&](const std::string& post, const std::string& knob) -> AutomationLine* {
        const Post* found = patch.post(post);
        const KnobInfo* info = found ? library.part(*found)->knob(knob) : nullptr;
        if (!info) return nullptr; // it went after the scene was made
        AutomationLine& line = lines[{post, knob}];
        line.post = post;
        line.knob = knob;
        line.scale = info->scale;
        return &line;
    };
    double start = 0.0;
    for (const Scene& scene : patch.scenes) {
        for (const auto& [post, knobs] : scene.setting)
            for (const auto& [knob, value] : knobs)
                if (AutomationLine* line = lineFor(post, knob)) {
                    const double at = line->scale.toFraction(value);
                    line->pieces.push_back({start, start, at, at});
                }
        for (const Move& move : scene.moves)
            if (AutomationLine* line = lineFor(move.post, move.knob))
                line->pieces.push_back({start + move.start, start + move.start + move.beats,
                                        line->scale.toFraction(move.from), line->scale.toFraction(move.to)});
        start += scene.beats();
    }
    std::vector<AutomationLine> out;
    for (auto& [key, line] : lines) {
        std::ranges::stable_sort(line.pieces, {}, &AutomationPiece::from);
        out.push_back(std::move(line));
    }
    return out;
}

double beatsOf(const std::vector<Scene>& scenes) {
    double beats = 0.0;
    for (const Scene& scene : scenes) beats += scene.beats();
    return beats;
}

double secondsOf(const Patch& patch, const Library& library) {
    constexpr double kPiece = 1.0 / 32.0; // beats; a tempo that moves is taken as it is in the middle of each
    const double beats = beatsOf(patch.scenes);
    double tempo = tempoOf(patch, library);
    const TempoHome home = tempoHome(patch, library);
    if (!home.post || tempo <= 0.0) return 0.5 * beats;
    const auto lines = automationOf(patch, library);
    const auto line = std::ranges::find_if(
        lines, [&](const AutomationLine& one) { return one.post == home.post->id && one.knob == home.knob->id; });
    if (line == lines.end()) return 60.0 * beats / tempo;
    double seconds = 0.0;
    for (double beat = 0.0; beat < beats - 1e-9; beat += kPiece) {
        const double middle = beat + 0.5 * kPiece;
        if (const int piece = line->pieceAt(middle); piece >= 0) tempo = line->valueAt(piece, middle);
        seconds += 60.0 * kPiece / std::max(1.0, tempo);
    }
    return seconds;
}

std::pair<int, double> sceneAt(const std::vector<Scene>& scenes, double beat) {
    double start = 0.0;
    for (std::size_t s = 0; s < scenes.size(); ++s) {
        if (beat >= start && beat < start + scenes[s].beats()) return {static_cast<int>(s), start};
        start += scenes[s].beats();
    }
    return {-1, start};
}

} // namespace lariat
