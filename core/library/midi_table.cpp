#include "library/midi_table.h"

#include <algorithm>

#include <fmt/format.h>

namespace lariat {
namespace {

constexpr const char* kBlock = "midi-to-cv";

const KnobInfo* cell(const PartInfo& part, const char* column, std::size_t port) {
    return part.knobFor(kBlock, fmt::format("{}-{}", column, midiPortIds()[port]));
}

bool countsVoices(MidiFunction f) {
    return f == MidiFunction::Pitch || f == MidiFunction::Gate || f == MidiFunction::Velocity;
}

} // namespace

std::optional<MidiMode> midiTableOf(const Post& post, const PartInfo& part) {
    const KnobInfo* mode = part.knobFor(kBlock, "mode");
    if (!mode) return std::nullopt;
    if (!hasOwnMidiTable(post, part)) {
        MidiMode table = midiModes()[static_cast<std::size_t>(knobValue(post, *mode))];
        for (MidiPort& port : table.ports)
            if (port.gives == MidiFunction::Controller && port.index >= kFreeController)
                if (const KnobInfo* free =
                        part.knobFor(kBlock, port.index == kFreeController ? "controller-a" : "controller-b"))
                    port.index = static_cast<int>(knobValue(post, *free));
        return table;
    }
    MidiMode own = midiModes()[0];
    own.name = "own table";
    for (std::size_t p = 0; p < own.ports.size(); ++p) {
        MidiPort& port = own.ports[p];
        const auto read = [&](const char* column, int usual) {
            const KnobInfo* knob = cell(part, column, p);
            return knob ? static_cast<int>(knobValue(post, *knob)) : usual;
        };
        port.gives = static_cast<MidiFunction>(read("gives", static_cast<int>(port.gives)));
        port.channel = read("channel", port.channel);
        port.index = read("number", port.index) - (countsVoices(port.gives) ? 1 : 0);
    }
    return withVoices(own);
}

bool hasOwnMidiTable(const Post& post, const PartInfo& part) {
    const KnobInfo* mode = part.knobFor(kBlock, "mode");
    return mode && static_cast<std::size_t>(knobValue(post, *mode)) >= midiModes().size();
}

bool inMidiTable(const PartInfo& part, const KnobInfo& knob) {
    for (std::size_t p = 0; p < kMidiPorts; ++p)
        for (const char* column : {"gives", "channel", "number"})
            if (cell(part, column, p) == &knob) return true;
    return false;
}

Result<std::vector<Edit>> changeMidiPort(const Post& post, const PartInfo& part, std::size_t port,
                                         const MidiPort& wanted) {
    const KnobInfo* mode = part.knobFor(kBlock, "mode");
    auto table = midiTableOf(post, part);
    if (!mode || !table || port >= table->ports.size()) return failure(say("{} has no table of MIDI ports", post.name));
    table->ports[port].gives = wanted.gives;
    table->ports[port].channel = wanted.channel;
    table->ports[port].index = wanted.index;
    std::vector<Edit> edits;
    const auto set = [&](const KnobInfo* knob, double value) {
        if (knob && knobValue(post, *knob) != value) edits.emplace_back(SetKnob{post.id, knob->id, value});
    };
    set(mode, static_cast<double>(midiModes().size()));
    for (std::size_t p = 0; p < table->ports.size(); ++p) {
        const MidiPort& one = table->ports[p];
        set(cell(part, "gives", p), static_cast<double>(one.gives));
        set(cell(part, "channel", p), one.channel);
        set(cell(part, "number", p), std::clamp(one.index + (countsVoices(one.gives) ? 1 : 0), 0, 127));
    }
    return edits;
}

} // namespace lariat
