// Life: what every block of a patch gave over a while, in a few figures each, measured as it runs.
#pragma once

#include "engine/schedule.h"
#include "flow/flow_map.h"

#include <vector>

namespace lariat {

inline constexpr double kAlive = 0.002; ///< volts peak to peak: less is said not to arrive

struct Life {
    float min = 0.0f;
    float max = 0.0f;
    double mean = 0.0;
    int rises = 0;           ///< through 1.5 V, with a hysteresis
    double high = 0.0;       ///< part of the time above that
    double longestLow = 0.0; ///< seconds between two times above that
    double level = 0.0;      ///< volts RMS, DC left out, of the loudest tenth of all windows of 20 ms
    double pause = 0.0;      ///< dB from the loudest window to the softest twentieth of those behind it; ≤ 0
    float floor = 0.0f;      ///< lowest from when it first came half way up to its highest
    double since = -1.0;     ///< seconds at which it first moved; negative: never

    [[nodiscard]] double swing() const { return static_cast<double>(max) - static_cast<double>(min); }
    [[nodiscard]] bool alive() const { return swing() >= kAlive; }
};

/// Measures one signal, run by run.
class LifeMeter {
  public:
    explicit LifeMeter(double rate);
    void add(const Signal& signal);
    [[nodiscard]] Life life() const;
    [[nodiscard]] bool moved() const { return life_.alive(); }

  private:
    void endWindow();

    double rate_;
    int runsPerWindow_;
    Life life_;
    double sum_ = 0.0; ///< of all
    double windowSum_ = 0.0, windowSquares_ = 0.0;
    int windowRuns_ = 0;
    long samples_ = 0;
    long allHigh_ = 0;
    long lowFor_ = 0, longestLow_ = 0;
    bool isHigh_ = false;
    std::vector<double> levels_; ///< of windows
    float windowLow_ = 0.0f;
    float windowHigh_ = 0.0f;
    std::vector<std::pair<float, float>> ranges_; ///< of windows
};

/// What every output of every block in a map gave.
class Lives {
  public:
    Lives() = default;
    Lives(const FlowMap& map, const Schedule& schedule, double rate);
    /// Once behind every run of the schedule.
    void add();
    /// Works out the figures; of a schedule that is gone they stay.
    void finish();
    /// Something that plays what is written has not moved yet.
    [[nodiscard]] bool stillWaits() const;
    /// Nothing at all of what nobody hears, or of node -1.
    [[nodiscard]] const Life& of(const Source& source) const;
    [[nodiscard]] const Life& of(int node, int output) const { return of(Source{node, output, 0}); }

  private:
    struct Meter {
        const Signal* signal = nullptr;
        int node = 0;
        int output = 0;
        bool plays = false; ///< what is written
        LifeMeter meter;
    };
    std::vector<Meter> meters_;
    std::vector<std::vector<Life>> lives_;
};

} // namespace lariat
