#include "timing/tuned.h"

#include "engine/graph.h"

#include "units/pitch.h"

#include <algorithm>
#include <cmath>

namespace lariat {
namespace {

constexpr double kSamePitch = 1.0; ///< cents below which two pitches are one

/// Blocks whose output is the pitch that came in, perhaps moved, scaled, held or glided.
bool passesPitch(const PartInfo& part) {
    return std::ranges::any_of(part.blocks, [](const PartBlock& block) {
        const std::string& id = block.type->id;
        return id == "mult" || id == "passive-mult" || id == "attenuverter" || id == "adder" || id == "slew" ||
               id == "sample-hold" || id == "shift-register" || id == "matrix" || id == "mixer" ||
               id == "sequential-switch" || id == "crossfader";
    });
}

/// The line whose pitch comes to an input.
std::optional<LineRef> pitchBehind(const Patch& patch, const Library& library, const JackRef& input) {
    std::vector<JackRef> open = {input};
    std::set<std::string> seen;
    for (std::size_t next = 0; next < open.size(); ++next) {
        const JackRef from = feederOf(patch, library, open[next]);
        if (from.post.empty()) continue;
        const JackInfo* output = library.jack(patch, from);
        if (output && (output->kind == SignalKind::Pitch || output->kind == SignalKind::Control))
            if (auto line = lineAt(patch, library, from)) return line;
        const PartInfo* part = library.part(*patch.post(from.post));
        if (!part || !passesPitch(*part) || !seen.insert(from.post).second) continue;
        for (const JackInfo& jack : part->jacks)
            if (!jack.output && jack.kind != SignalKind::Gate && jack.kind != SignalKind::Clock)
                open.push_back({from.post, jack.id});
    }
    return std::nullopt;
}

} // namespace

std::string TunedNote::text() const {
    const NearestNote near = nearestNote(toHertz(Volts{given}));
    if (std::abs(near.off.value) < 0.5) return noteName(near.note);
    return fmt::format("{} {:+.0f} ct", noteName(near.note), near.off.value);
}

std::vector<TunePath> tunePathsOf(const Patch& patch, const Library& library, const Sequencer& sequencer) {
    std::vector<TunePath> out;
    for (const Post& post : patch.posts) {
        const PartInfo& part = *library.part(post);
        for (const auto& [into, from] : {std::pair("in-1", "out-1"), std::pair("in-2", "out-2")}) {
            const JackInfo* in = part.jackFor("quantizer", into);
            const JackInfo* given = part.jackFor("quantizer", from);
            if (!in || !given) continue;
            const auto line = pitchBehind(patch, library, {post.id, in->id});
            if (line && line->post == sequencer.post && post.id != sequencer.post)
                out.push_back({{post.id, in->id}, {post.id, given->id}, *line});
        }
    }
    return out;
}

Sentence movedText(const std::vector<TunedNote>& notes, std::set<int>& steps) {
    std::set<int> all;
    double most = 0.0;
    for (const TunedNote& note : notes) {
        all.insert(note.step);
        if (std::abs(note.moved()) < kSamePitch) continue;
        steps.insert(note.step);
        most = std::max(most, std::abs(note.moved()));
    }
    if (steps.empty()) return say("leaves all {} notes where they are", all.size());
    return say("moves {} of {} notes, by {:.0f} ct at most", steps.size(), all.size(), most);
}

Sentence mergedText(const std::vector<TunedNote>& notes, std::set<int>& steps) {
    for (const TunedNote& a : notes)
        for (const TunedNote& b : notes)
            if (std::abs(1200.0 * static_cast<double>(a.given - b.given)) < kSamePitch &&
                std::abs(1200.0 * static_cast<double>(a.wanted - b.wanted)) >= kSamePitch)
                steps.insert(a.step);
    if (steps.empty()) return {};
    return say("{} steps that differ fall on the same notes", steps.size());
}

} // namespace lariat
