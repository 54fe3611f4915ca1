// Recordings that are heard in turns, instead of the case: all run on side by side, one of them is heard, and from one
// to the other it goes at the start of a bar, cross-faded within 10 ms.
#pragma once

#include <atomic>
#include <cstddef>
#include <span>
#include <vector>

namespace lariat {

class Playback {
  public:
    static constexpr double kFadeSeconds = 0.01;

    struct Recording {
        std::vector<float> samples; ///< at the device's rate, ±1 full scale
        float gain = 1.0f;
    };
    /// At least one recording, none of them empty; they begin anew together after the last whole bar of the shortest.
    /// `bar`: frames; of what is shorter, the whole is one.
    Playback(std::vector<Recording> recordings, std::size_t bar, double rate);

    /// From the next bar on, that one; from the start at once.
    void choose(std::size_t which) { wanted_ = which; }
    /// Another one with each bar.
    void setInTurns(bool on) { inTurns_ = on; }
    [[nodiscard]] std::size_t heard() const { return heardNow_; }
    [[nodiscard]] std::size_t size() const { return recordings_.size(); }

    /// Audio side: overwrites interleaved stereo frames.
    void run(std::span<float> interleaved);

  private:
    [[nodiscard]] float sample(std::size_t which) const;
    void turn();

    std::vector<Recording> recordings_;
    std::size_t bar_;
    std::size_t length_; ///< whole bars of the shortest
    std::size_t fade_;   ///< frames
    std::size_t at_ = 0;
    bool begun_ = false;
    std::size_t old_ = 0; ///< that is faded out
    std::size_t fadeLeft_ = 0;
    std::atomic<std::size_t> wanted_{0};
    std::atomic<std::size_t> heardNow_{0};
    std::atomic<bool> inTurns_{false};
};

} // namespace lariat
