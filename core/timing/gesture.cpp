#include "timing/gesture.h"

#include <algorithm>
#include <cmath>
#include <set>
#include <utility>

namespace lariat {

bool movesPad(const MidiMessage& message) {
    const auto axis = [](int controller) { return controller == 16 || controller == 17; };
    return message.kind() == 0x80 || message.kind() == 0x90 ||
           (message.kind() == 0xB0 && (axis(message.data1) || axis(message.data1 - 32)));
}

Performance gestureOf(const GestureTake& take, std::span<const TimedMessage> messages) {
    Performance out;
    out.post = take.post;
    out.tempo = take.tempo;
    const double beats = take.seconds * take.tempo / 60.0;
    out.lengthBeats = take.toBeats ? std::max(1.0, std::round(beats)) : beats;
    std::set<std::pair<int, int>> down; // channel and key
    for (const TimedMessage& one : messages) {
        const MidiMessage& m = one.message;
        const bool note = m.kind() == 0x80 || m.kind() == 0x90;
        const double beat = one.seconds * take.tempo / 60.0;
        const bool ours = take.pad ? movesPad(m) : note || !movesPad(m);
        if (!ours || m.kind() >= 0xF0 || beat < 0.0 || beat >= out.lengthBeats) continue;
        const std::pair key(m.channel(), static_cast<int>(m.data1));
        const bool strikes = m.kind() == 0x90 && m.data2 > 0;
        if (note && !strikes && !down.contains(key)) continue; // it was struck before the take
        if (out.messages.size() + down.size() + 2 > kMaxMessages) break;
        if (strikes) down.insert(key);
        if (note && !strikes) down.erase(key);
        out.messages.push_back({beat, m});
    }
    for (const auto& [channel, key] : down)
        out.messages.push_back(
            {out.lengthBeats, {static_cast<std::uint8_t>(0x80 | channel), static_cast<std::uint8_t>(key), 0}});
    return out;
}

} // namespace lariat
