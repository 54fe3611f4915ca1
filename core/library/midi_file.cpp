#include "library/midi_file.h"

#include "model/file.h"
#include "model/pattern_json.h"

#include <algorithm>
#include <memory>

#include <fmt/format.h>
#include <glib.h>
#include <smf.h>

namespace lariat {
namespace {

constexpr double kTicks = 480.0;

struct FreeSmf {
    void operator()(smf_t* smf) const { smf_delete(smf); }
};
using Smf = std::unique_ptr<smf_t, FreeSmf>;

/// While it lives, what the MIDI library says to the terminal is swallowed: the error that we return says it.
class QuietLibrary {
  public:
    QuietLibrary()
        : before_(g_log_set_default_handler([](const char*, GLogLevelFlags, const char*, void*) {}, nullptr)) {}
    ~QuietLibrary() { g_log_set_default_handler(before_, nullptr); }
    QuietLibrary(const QuietLibrary&) = delete;
    QuietLibrary& operator=(const QuietLibrary&) = delete;

  private:
    GLogFunc before_;
};

std::uint32_t bigEndian(std::string_view bytes) {
    std::uint32_t value = 0;
    for (const char c : bytes.substr(0, 4)) value = value << 8 | static_cast<unsigned char>(c);
    return value;
}

/// Why the chunks do not add up; empty if they do.
std::string badChunks(std::string_view bytes) {
    if (!bytes.starts_with("MThd")) return "is not a MIDI file: it does not start with MThd";
    for (std::size_t at = 0; at < bytes.size();) {
        if (bytes.size() - at < 8) return fmt::format("ends within the head of a chunk, at byte {}", at);
        const std::uint64_t claimed = bigEndian(bytes.substr(at + 4));
        const std::uint64_t left = bytes.size() - at - 8;
        if (claimed > left)
            return fmt::format("the chunk at byte {} claims {} bytes, {} are left; the file was cut short", at, claimed,
                               left);
        at += 8 + static_cast<std::size_t>(claimed);
    }
    return {};
}

} // namespace

Result<Performance> readMidiFile(const std::filesystem::path& file, const std::string& post) {
    auto bytes = readFile(file);
    if (!bytes) return tl::unexpected(bytes.error());
    const auto refuse = [&](std::string reason) { return tl::unexpected(Error{file.string(), {}, std::move(reason)}); };
    if (std::string why = badChunks(*bytes); !why.empty()) return refuse(std::move(why));
    const QuietLibrary quiet;
    const Smf smf(smf_load_from_memory(bytes->data(), static_cast<int>(bytes->size())));
    if (!smf) return refuse("its events cannot be read; save it again as a MIDI file of type 0 or 1");
    if (smf->ppqn <= 0) return refuse("counts time in frames; save it with ticks per quarter note");
    Performance played;
    played.post = post;
    if (const smf_tempo_t* tempo = smf_get_tempo_by_pulses(smf.get(), 0);
        tempo && tempo->microseconds_per_quarter_note > 0)
        played.tempo = std::clamp(6e7 / tempo->microseconds_per_quarter_note, 20.0, 400.0);
    // A tempo that changes on the way is played out in time: the beats of a performance are all of one length.
    const bool steady = smf->tempo_array->len <= 1;
    while (const smf_event_t* event = smf_get_next_event(smf.get())) {
        if (smf_event_is_metadata(event) || event->midi_buffer_length < 1 || event->midi_buffer_length > 3) continue;
        PlayedMessage message;
        message.beat =
            steady ? static_cast<double>(event->time_pulses) / smf->ppqn : event->time_seconds * played.tempo / 60.0;
        message.message.status = event->midi_buffer[0];
        if (event->midi_buffer_length > 1) message.message.data1 = event->midi_buffer[1] & 0x7F;
        if (event->midi_buffer_length > 2) message.message.data2 = event->midi_buffer[2] & 0x7F;
        if (message.message.kind() == 0x80) message.message.data2 = 0; // how fast a key was let go is nothing to anyone
        if (!keepsMessage(message.message)) continue;
        played.messages.push_back(message);
        if (played.messages.size() > kMaxMessages)
            return refuse(fmt::format("holds more than {} messages", kMaxMessages));
    }
    std::ranges::stable_sort(played.messages, {}, &PlayedMessage::beat);
    return played;
}

Result<void> writeMidiFile(const std::filesystem::path& file, const Performance& performance) {
    const Smf smf(smf_new());
    smf_track_t* track = smf_track_new();
    smf_add_track(smf.get(), track);
    if (smf_set_ppqn(smf.get(), static_cast<int>(kTicks)) != 0)
        return tl::unexpected(Error{file.string(), {}, "cannot be written"});
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
    Replacement replacement(file);
    if (smf_save(smf.get(), replacement.temporary().c_str()) != 0)
        return tl::unexpected(Error{file.string(), {}, "cannot be written"});
    return replacement.commit();
}

} // namespace lariat
