#include "library/midi_file.h"

#include "model/file.h"

#include <memory>

#include <smf.h>

namespace lariat {
namespace {

constexpr double kTicks = 480.0;

struct FreeSmf {
    void operator()(smf_t* smf) const { smf_delete(smf); }
};
using Smf = std::unique_ptr<smf_t, FreeSmf>;

} // namespace

Result<void> writeMidiFile(const std::filesystem::path& file, const Performance& performance) {
    const Smf smf(smf_new());
    smf_track_t* track = smf_track_new();
    smf_add_track(smf.get(), track);
    if (smf_set_ppqn(smf.get(), static_cast<int>(kTicks)) != 0)
        return tl::unexpected(Error{file.string(), {}, say("cannot be written")});
    const auto perBeat = static_cast<unsigned>(6e7 / performance.tempo);
    const unsigned char tempo[] = {0xFF,
                                   0x51,
                                   3,
                                   static_cast<unsigned char>(perBeat >> 16),
                                   static_cast<unsigned char>(perBeat >> 8),
                                   static_cast<unsigned char>(perBeat)};
    smf_track_add_event_pulses(track, smf_event_new_from_pointer(const_cast<unsigned char*>(tempo), sizeof tempo), 0);
    for (const PlayedMessage& played : performance.messages) {
        const MidiMessage& m = played.message;
        if (m.status >= 0xF0) continue; // a MIDI file has no place for clock, start and stop
        const bool two = m.kind() == 0xC0 || m.kind() == 0xD0;
        smf_event_t* event = smf_event_new_from_bytes(m.status, m.data1, two ? -1 : m.data2);
        if (event) smf_track_add_event_pulses(track, event, static_cast<int>(played.beat * kTicks + 0.5));
    }
    if (performance.lengthBeats > 0.0) {
        smf_event_t* mark = smf_event_new_textual(6, kLoopMark);
        if (mark) smf_track_add_event_pulses(track, mark, static_cast<int>(performance.lengthBeats * kTicks + 0.5));
    }
    auto replacement = Replacement::of(file, FileKind::Midi);
    if (!replacement) return tl::unexpected(replacement.error());
    if (smf_save(smf.get(), replacement->temporary().c_str()) != 0)
        return tl::unexpected(Error{file.string(), {}, say("cannot be written")});
    return replacement->commit();
}

} // namespace lariat
