// What the keys blocks share: messages in time, the notes that are held, and who of several voices plays which.
#pragma once

#include "blocks/block.h"

#include <algorithm>

namespace lariat {

/// Hands out the messages of a performance, and those played by hand, as they fall due.
class PerformancePlayer {
  public:
    void prepare(std::shared_ptr<const Performance> performance) { performance_ = std::move(performance); }
    struct State {
        double beat = 0.0;
        std::size_t next = 0;
    };
    /// Calls `message(at, MidiMessage)` in order of time for samples [begin, end).
    template <class F> void play(State& s, const Frame& frame, F&& message) const {
        if (frame.begin == 0) {
            if (frame.transport->rewind) s = {};
            for (int n = 0; n < frame.transport->playedCount; ++n)
                message(0.0, frame.transport->played[static_cast<std::size_t>(n)]);
        }
        if (!performance_ || !frame.transport->running || performance_->messages.empty()) return;
        const auto& all = performance_->messages;
        const double perSample = performance_->tempo / 60.0 / frame.rate;
        double base = s.beat;
        double last = s.beat + perSample * (frame.end - frame.begin - 1);
        s.beat += perSample * (frame.end - frame.begin);
        for (int guard = 0; guard < 256; ++guard) {
            const double loop = performance_->lengthBeats;
            if (s.next < all.size() && (loop <= 0.0 || all[s.next].beat < loop)) {
                const double due = all[s.next].beat;
                if (due > last) return;
                message(frame.begin + (due - base) / perSample, all[s.next++].message);
            } else if (loop > 0.0 && last >= loop) {
                s.beat -= loop;
                last -= loop;
                base -= loop;
                s.next = 0;
            } else {
                return;
            }
        }
    }

  private:
    std::shared_ptr<const Performance> performance_;
};

/// Keys that are down, in the order in which they were pressed.
class HeldNotes {
  public:
    void press(int note) {
        release(note);
        if (count_ < kMost) notes_[static_cast<std::size_t>(count_++)] = note;
    }
    void release(int note) {
        const auto end = notes_.begin() + count_;
        count_ = static_cast<int>(std::remove(notes_.begin(), end, note) - notes_.begin());
    }
    [[nodiscard]] bool empty() const { return count_ == 0; }
    [[nodiscard]] int count() const { return count_; }
    [[nodiscard]] int last() const { return notes_[static_cast<std::size_t>(count_ - 1)]; }
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
    static constexpr int kMost = 16;
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
    Voice& at(int v) { return voices_[static_cast<std::size_t>(v)]; }
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
