#include "library/midi_file.h"

#include "model/file.h"
#include "model/read_error.h"

#include <algorithm>
#include <map>

#include <fmt/format.h>

namespace lariat {
namespace {

constexpr std::uint64_t kMostTicks = 1ull << 40;

/// The bytes, from front to back; every fault names its place.
class Bytes {
  public:
    Bytes(std::string_view all, std::size_t begin, std::size_t end) : all_(all), at_(begin), end_(end) {}

    [[nodiscard]] bool atEnd() const { return at_ == end_; }
    [[nodiscard]] std::size_t at() const { return at_; }
    [[nodiscard]] std::size_t left() const { return end_ - at_; }
    [[nodiscard]] int peek() const { return need(1), static_cast<unsigned char>(all_[at_]); }
    int next() {
        const int byte = peek();
        ++at_;
        return byte;
    }
    /// A data byte of a message, 0…127.
    std::uint8_t data() {
        if (peek() > 127) fail(say("a message ends too early"));
        return static_cast<std::uint8_t>(next());
    }
    std::uint32_t number(int size) {
        std::uint32_t value = 0;
        while (size-- > 0) value = value << 8 | static_cast<std::uint32_t>(next());
        return value;
    }
    /// Seven bits a byte, at most four bytes.
    std::uint32_t varied() {
        std::uint32_t value = 0;
        for (int n = 0; n < 4; ++n) {
            const int byte = next();
            value = value << 7 | static_cast<std::uint32_t>(byte & 0x7F);
            if (byte < 128) return value;
        }
        fail(say("a time or a length has more than four bytes"));
    }
    std::string_view take(std::size_t size) {
        need(size);
        at_ += size;
        return all_.substr(at_ - size, size);
    }
    [[noreturn]] void fail(Sentence what) const { throw ReadError({}, inside(say("byte {}", at_), std::move(what))); }

  private:
    void need(std::size_t size) const {
        if (left() < size) fail(say("it ends within an event"));
    }
    std::string_view all_;
    std::size_t at_;
    std::size_t end_;
};

struct Timed {
    std::uint64_t tick;
    MidiMessage message;
};

struct Score {
    std::vector<Timed> messages;
    std::map<std::uint64_t, std::uint32_t> tempos; ///< microseconds per beat, from a tick on
    MidiImport import;
    std::uint64_t loop = 0; ///< tick at which it begins anew; 0: it is played once
};

void readMeta(Bytes& in, std::uint64_t tick, Score& score, bool& ended) {
    const int type = in.next();
    const std::string_view data = in.take(in.varied());
    if (type == 0x2F) {
        ended = true;
    } else if (type == 0x51 && data.size() == 3) {
        std::uint32_t tempo = 0;
        for (const char c : data) tempo = tempo << 8 | static_cast<unsigned char>(c);
        if (tempo == 0) in.fail(say("a tempo of no length"));
        score.tempos[tick] = tempo;
    } else if (type == 0x06 && data == kLoopMark) {
        score.loop = tick;
    } else {
        ++score.import.marks;
    }
}

void readTrack(Bytes in, Score& score) {
    std::uint64_t tick = 0;
    int running = 0;
    bool ended = false;
    while (!in.atEnd() && !ended) {
        tick += in.varied();
        if (tick > kMostTicks) in.fail(say("the time has run over"));
        const int status = in.peek() >= 128 ? in.next() : running;
        if (status == 0) in.fail(say("a message without its kind"));
        if (status == 0xFF) {
            readMeta(in, tick, score, ended);
        } else if (status == 0xF0 || status == 0xF7) {
            (void)in.take(in.varied());
            ++score.import.systemMessages;
        } else if (status > 0xF0) {
            in.fail(say("a system message that has no place in a file"));
        } else {
            running = status; // it outlives what stands between, as most writers take it
            MidiMessage message{static_cast<std::uint8_t>(status), in.data(), 0};
            if (message.kind() != 0xC0 && message.kind() != 0xD0) message.data2 = in.data();
            if (message.kind() == 0x80) message.data2 = 0; // how fast a key was let go is nothing to anyone
            if (score.messages.size() == kMaxMessages)
                throw ReadError({}, say("it holds more than {} messages", kMaxMessages));
            score.messages.push_back({tick, message});
        }
    }
}

Score readScore(std::string_view bytes, std::uint32_t& perBeat) {
    if (!bytes.starts_with("MThd")) throw ReadError({}, say("it is not a MIDI file: it does not start with MThd"));
    Bytes in(bytes, 0, bytes.size());
    Score score;
    int tracks = 0;
    while (!in.atEnd()) {
        if (in.left() < 8) in.fail(say("it ends within the head of a chunk"));
        const std::size_t start = in.at();
        const std::string_view name = in.take(4);
        const std::uint32_t size = in.number(4);
        if (size > in.left())
            throw ReadError({}, say("the chunk at byte {} claims {} bytes, {} are left; the file was cut short", start,
                                    size, in.left()));
        Bytes chunk(bytes, in.at(), in.at() + size);
        (void)in.take(size);
        if (name == "MThd") {
            (void)chunk.number(4); // kind, and how many tracks it says there are
            const std::uint32_t division = chunk.number(2);
            if (division == 0 || division >= 0x8000)
                throw ReadError({}, say("it counts time in frames; save it with ticks per quarter note"));
            perBeat = division;
        } else if (name == "MTrk") {
            if (++tracks > kMaxMidiTracks) throw ReadError({}, say("it has more than {} tracks", kMaxMidiTracks));
            readTrack(chunk, score);
        }
    }
    std::ranges::stable_sort(score.messages, {}, &Timed::tick);
    return score;
}

} // namespace

std::string MidiImport::leftOut() const {
    const auto count = [](int n, const char* one, const char* many) {
        return n == 0 ? std::string() : fmt::format("{} {}", n, n == 1 ? one : many);
    };
    const std::string system = count(systemMessages, "system message", "system messages");
    const std::string others = count(marks, "text or mark", "texts and marks");
    return system + (system.empty() || others.empty() ? "" : " and ") + others;
}

Result<MidiImport> readMidi(std::string_view bytes, const std::string& post) {
    try {
        std::uint32_t perBeat = 480;
        Score score = readScore(bytes, perBeat);
        MidiImport out = std::move(score.import);
        Performance& played = out.performance;
        played.post = post;
        const auto first = score.tempos.find(0);
        played.tempo = std::clamp(6e7 / (first == score.tempos.end() ? 500'000u : first->second), 20.0, 400.0);
        // A tempo that changes on the way is played out in time: the beats of a performance are all of one length.
        const double ticksPerBeat = perBeat;
        const double secondsPerBeat = 60.0 / played.tempo;
        double seconds = 0.0; // up to `since`, where the present tempo began
        std::uint64_t since = 0;
        double tickSeconds = secondsPerBeat / ticksPerBeat;
        bool steady = true;
        auto change = score.tempos.begin();
        for (const Timed& timed : score.messages) {
            for (; change != score.tempos.end() && change->first <= timed.tick; ++change) {
                const double now = 1e-6 * change->second / ticksPerBeat;
                steady = steady && change->first == 0;
                seconds += static_cast<double>(change->first - since) * tickSeconds;
                since = change->first;
                tickSeconds = now;
            }
            const double beat =
                steady ? static_cast<double>(timed.tick) / ticksPerBeat
                       : (seconds + static_cast<double>(timed.tick - since) * tickSeconds) / secondsPerBeat;
            played.messages.push_back({beat, timed.message});
        }
        if (steady && score.loop > 0) played.lengthBeats = static_cast<double>(score.loop) / ticksPerBeat;
        return out;
    } catch (const ReadError& error) {
        return failure(error.reason);
    }
}

Result<MidiImport> readMidiFile(const std::filesystem::path& file, const std::string& post) {
    auto out = readFile(file).and_then([&](const std::string& bytes) { return readMidi(bytes, post); });
    if (!out) out.error().file = file.string();
    return out;
}

} // namespace lariat
