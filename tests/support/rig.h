// A bench for one block: sources at its inputs, a recorder at every output.
#pragma once

#include "engine/solo.h"

#include <functional>
#include <map>
#include <string>
#include <vector>

namespace lariat::test {

/// A gate that is open from `on` to `off`, in seconds.
struct Pulse {
    double on = 0.0;
    double off = 0.0;
};

class Rig {
  public:
    explicit Rig(const std::string& type, double rate = 96000.0, std::uint64_t seed = 1);

    /// Sets a control; the block starts with it.
    Rig& set(const std::string& control, double value);
    /// Feeds an input with volts as a function of time in seconds.
    Rig& feed(const std::string& jack, std::function<double(double)> volts);
    Rig& feed(const std::string& jack, double volts);
    /// Feeds an input with 8 V pulses whose edges carry their exact times.
    Rig& pulses(const std::string& jack, std::vector<Pulse> pulses);
    /// Feeds an input with a recording.
    Rig& feed(const std::string& jack, std::vector<float> volts);
    Rig& pattern(Pattern pattern);
    /// Runs it sample by sample, as the engine does within a loop.
    Rig& inLoop() {
        inLoop_ = true;
        return *this;
    }
    /// Gives it other material, while it runs.
    Rig& exchange(Material material);
    /// What it tells of itself.
    [[nodiscard]] Told told() const;
    /// What the block is told before it starts; rate and seed are the rig's own.
    Setup setup;

    /// Runs on for so many seconds; outputs are appended to what was recorded before.
    Rig& run(double seconds);
    /// What an output has given so far.
    [[nodiscard]] const std::vector<float>& out(const std::string& jack) const { return recorded_.at(jack); }
    /// Times in seconds of the edges that an output has listed.
    [[nodiscard]] const std::vector<double>& rising(const std::string& jack) const { return rising_.at(jack); }
    [[nodiscard]] const std::vector<double>& falling(const std::string& jack) const { return falling_.at(jack); }
    [[nodiscard]] const std::vector<float>& left() const { return left_; }
    [[nodiscard]] const std::vector<float>& right() const { return right_; }
    [[nodiscard]] double rate() const { return rate_; }
    Transport transport;

  private:
    struct Source {
        std::function<double(double)> volts;
        std::vector<Pulse> pulses;
        std::vector<float> recording;
        bool isPulses = false;
    };
    void fill(Signal& signal, const Source& source) const;
    [[nodiscard]] std::size_t input(const std::string& jack) const;

    const BlockType& type_;
    double rate_;
    std::uint64_t seed_;
    std::unique_ptr<Solo> solo_;
    bool inLoop_ = false;
    std::map<std::size_t, Source> sources_;
    std::vector<double> controls_;
    std::map<std::string, std::vector<float>> recorded_;
    std::map<std::string, std::vector<double>> rising_;
    std::map<std::string, std::vector<double>> falling_;
    std::vector<float> left_;
    std::vector<float> right_;
    std::size_t now_ = 0; ///< samples
};

} // namespace lariat::test
