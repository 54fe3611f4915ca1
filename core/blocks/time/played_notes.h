// What the keys blocks share: messages in time, the notes that are held, and who of several voices plays which.
#pragma once

#include "blocks/block.h"

#include <algorithm>

namespace lariat {

/// All keys are let go: what a player says when it starts over or plays something else. No MIDI message has this form.
inline constexpr MidiMessage kLetGo{0xFF, 0, 0};
/// A message that lets all keys go: that one, or the controllers that MIDI has for it.
inline bool letsGo(const MidiMessage& m) {
    return m == kLetGo || (m.kind() == 0xB0 && (m.data1 == 120 || m.data1 == 123));
}

/// Hands out the messages of a performance, and those played by hand, as they fall due. Its place counts in the
/// performance at hand; `exchanged` finds the place again in another one.
class PerformancePlayer {
  public:
    /// The performance is another one: it goes on at the place that the last one had reached, and what sounds there is
    /// struck; one that was over, or was not there, starts from its beginning.
    void exchanged(const Performance* before, const Performance* now) {
        letGo_ = true;
        strike_ = true;
        const bool over = !before || (before->lengthBeats <= 0.0 && next_ >= before->messages.size());
        if (over || !now) beat_ = 0.0;
        if (now && now->lengthBeats > 0.0) beat_ = std::fmod(beat_, now->lengthBeats);
        next_ = now ? placeOf(*now, beat_) : 0;
    }

    /// Calls `message(at, MidiMessage)` in order of time for samples [begin, end).
    template <class F> void play(const Performance* performance, const Frame& frame, F&& message) {
        Transport& transport = frame.transport();
        if (frame.begin == 0 && transport.rewind) {
            *this = {};
            letGo_ = true;
        }
        if (letGo_) message(static_cast<double>(frame.begin), kLetGo);
        if (letGo_ && strike_ && performance) strike(*performance, frame.begin, message);
        letGo_ = strike_ = false;
        // Those by hand, up to a time.
        int hand = 0;
        const auto byHand = [&](double to) {
            for (; hand < transport.playedCount; ++hand) {
                const Played& played = transport.played[idx(hand)];
                const auto at = static_cast<double>(played.at);
                if (at > to) return;
                if (at > frame.begin - 1.0 || (frame.begin == 0 && at <= 0.0)) message(at, played.message);
            }
        };
        if (performance && transport.running && !performance->messages.empty())
            due(*performance, frame, [&](double at, const MidiMessage& m) {
                byHand(at);
                message(at, m);
            });
        byHand(frame.end - 1.0);
    }

  private:
    static std::size_t placeOf(const Performance& performance, double beat) {
        const auto& all = performance.messages;
        return idx(std::ranges::lower_bound(all, beat, {}, &PlayedMessage::beat) - all.begin());
    }
    static bool strikes(const MidiMessage& m) { return m.kind() == 0x90 && m.data2 > 0; }

    template <class F> void due(const Performance& performance, const Frame& frame, F&& message) {
        const auto& all = performance.messages;
        const double loop = performance.lengthBeats;
        const double perSample = performance.tempo / 60.0 / frame.rate();
        next_ = std::min(next_, all.size());
        double base = beat_;
        double last = beat_ + perSample * (frame.end - frame.begin - 1);
        beat_ += perSample * (frame.end - frame.begin);
        for (int guard = 0; guard < 1024; ++guard) {
            // At the very end of the loop notes end, and none begins.
            const bool inLoop = next_ < all.size() && (loop <= 0.0 || all[next_].beat < loop ||
                                                       (all[next_].beat == loop && !strikes(all[next_].message)));
            if (inLoop) {
                if (all[next_].beat > last) return;
                message(frame.begin + std::max(0.0, (all[next_].beat - base) / perSample), all[next_].message);
                ++next_;
            } else if (loop > 0.0 && next_ < all.size() && all[next_].beat == loop && all[next_].beat <= last) {
                ++next_; // a note that would begin where the loop starts over
            } else if (loop > 0.0 && last >= loop) {
                beat_ -= loop;
                last -= loop;
                base -= loop;
                next_ = 0;
            } else {
                return;
            }
        }
    }

    /// Strikes what has been struck and not been let go before the place.
    template <class F> void strike(const Performance& performance, int at, F&& message) {
        constexpr std::size_t kLookBack = 4096;
        std::array<std::array<std::uint8_t, 128>, 16> held{};
        const auto& all = performance.messages;
        const std::size_t place = std::min(next_, all.size());
        for (std::size_t n = place > kLookBack ? place - kLookBack : 0; n < place; ++n) {
            const MidiMessage& m = all[n].message;
            auto& velocity = held[idx(m.channel())][m.data1 & 0x7F];
            if (strikes(m)) velocity = m.data2;
            if (m.kind() == 0x80 || (m.kind() == 0x90 && m.data2 == 0)) velocity = 0;
        }
        for (std::size_t channel = 0; channel < held.size(); ++channel)
            for (std::size_t note = 0; note < held[channel].size(); ++note)
                if (held[channel][note] > 0)
                    message(static_cast<double>(at), MidiMessage{static_cast<std::uint8_t>(0x90 | channel),
                                                                 static_cast<std::uint8_t>(note), held[channel][note]});
    }

    double beat_ = 0.0;
    std::size_t next_ = 0;
    bool letGo_ = false;
    bool strike_ = false;
};

/// Keys that are down, in the order in which they were pressed.
class HeldNotes {
  public:
    void press(int note) {
        release(note);
        if (count_ < kMost) notes_[idx(count_++)] = note;
    }
    void release(int note) {
        const auto end = notes_.begin() + count_;
        count_ = static_cast<int>(std::remove(notes_.begin(), end, note) - notes_.begin());
    }
    [[nodiscard]] bool empty() const { return count_ == 0; }
    [[nodiscard]] int count() const { return count_; }
    [[nodiscard]] int last() const { return notes_[idx(count_ - 1)]; }
    [[nodiscard]] int low() const { return *std::min_element(notes_.begin(), notes_.begin() + count_); }
    [[nodiscard]] int high() const { return *std::max_element(notes_.begin(), notes_.begin() + count_); }

  private:
    static constexpr int kMost = 32;
    std::array<int, kMost> notes_{};
    int count_ = 0;
};

/// Notes over voices: the next voice in turn, or always the first free one; if none is free, the oldest is taken.
class VoiceAllocator {
  public:
    static constexpr int kMost = 24;
    enum class Policy { Rotate, FirstFree };

    /// The voice that plays the note.
    int press(int note, int voices, Policy policy) {
        int chosen = -1;
        for (int k = 0; k < voices; ++k) {
            const int v = policy == Policy::Rotate ? (next_ + k) % voices : k;
            if (!at(v).held) {
                chosen = v;
                break;
            }
        }
        if (chosen < 0)
            for (int v = 0; v < voices; ++v)
                if (chosen < 0 || at(v).age < at(chosen).age) chosen = v;
        next_ = (chosen + 1) % voices;
        at(chosen) = {note, ++clock_, true};
        return chosen;
    }
    /// The voice that played the note, or -1.
    int release(int note) {
        for (int v = 0; v < kMost; ++v)
            if (at(v).held && at(v).note == note) {
                at(v).held = false;
                return v;
            }
        return -1;
    }

  private:
    struct Voice {
        int note = -1;
        long age = 0;
        bool held = false;
    };
    Voice& at(int v) { return voices_[idx(v)]; }
    std::array<Voice, kMost> voices_{};
    int next_ = 0;
    long clock_ = 0;
};

/// Moves to a target in a straight line.
struct Glide {
    float now = 0.0f;
    float target = 0.0f;
    float step = 0.0f;
    void to(float value, float samples) {
        target = value;
        if (samples < 1.0f)
            now = value;
        else
            step = (value - now) / samples;
    }
    float next() {
        if (now != target) {
            now += step;
            if ((step >= 0.0f) == (now >= target)) now = target;
        }
        return now;
    }
};

inline float noteVolts(int note) {
    return static_cast<float>(note - 60) / 12.0f;
}

} // namespace lariat
