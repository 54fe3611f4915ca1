#include "ask/ask.h"

#include "engine/graph.h"

#include <algorithm>

namespace lariat {

Result<Answer> ask(const Asked& asked) {
    if (asked.tracks.empty()) return failure(say("there is nothing to ask of: name a jack or a recording"));
    if (asked.tracks.size() > kMostTracks)
        return failure(say("{} at once are too many; {} are allowed", asked.tracks.size(), kMostTracks));
    for (const Trace& track : asked.tracks)
        if (track.volts.empty() || track.seconds() <= asked.options.from)
            return failure(say("{} holds nothing behind {:.2f} s", track.name, asked.options.from));
    Answer answer;
    switch (asked.question) {
    case Question::Shape:
        answer = askShape(asked);
        break;
    case Question::Note:
        answer = askNote(asked);
        break;
    case Question::Same:
        answer = askSame(asked);
        break;
    case Question::Content:
        answer = askContent(asked);
        break;
    case Question::Relate:
        answer = askRelate(asked);
        break;
    case Question::Better:
        answer = askBetter(asked);
        break;
    case Question::Loud:
    case Question::Real:
        return failure(say("this question is asked of a patch, not of tracks"));
    }
    if (asked.progress && !asked.progress(1.0)) return failure(say("stopped"));
    return answer;
}

std::vector<JackRef> jacksBeside(Question question, const Patch& patch, const Library& library,
                                 const std::vector<JackRef>& jacks) {
    std::vector<JackRef> out;
    if (jacks.empty() || jacks.front().post.empty()) return out;
    const JackInfo* info = library.jack(patch, jacks.front());
    if (!info) return out;
    const JackRef output = info->output ? jacks.front() : feederOf(patch, library, jacks.front());
    if (output.post.empty()) return out;
    std::optional<JackRef> beside;
    if (question == Question::Note) beside = leaderOf(patch, library, output);
    const bool cut = std::ranges::any_of(jacks, [&](const JackRef& jack) {
        const JackInfo* one = library.jack(patch, jack);
        return one && (one->kind == SignalKind::Gate || one->kind == SignalKind::Clock);
    });
    if (question == Question::Same && !cut) beside = gateBehind(patch, library, output);
    if (question == Question::Shape && jacks.size() == 1 && info->kind == SignalKind::Control) {
        beside = gateBehind(patch, library, output);
        if (beside && beside->post == output.post) beside.reset();
    }
    if (beside && std::ranges::find(jacks, *beside) == jacks.end()) out.push_back(*beside);
    return out;
}

} // namespace lariat
