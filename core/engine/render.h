// Offline rendering: the same engine as fast as the machine goes, for files, measurements and findings.
#pragma once

#include "engine/change.h"
#include "engine/schedule.h"

#include <functional>
#include <map>
#include <memory>
#include <span>
#include <vector>

namespace lariat {

/// What a renderer hands out after each run: kRun samples at the engine's rate.
struct RunView {
    std::span<const float, kRun> left; ///< volts
    std::span<const float, kRun> right;
    std::span<const Signal* const> probes; ///< in the order in which they were asked for
    double beats = 0.0;
};
/// Takes what is made, run by run; false cancels.
using Sink = std::function<bool(const RunView&)>;

/// A patch compiled once and run as often as one likes: from its start, with other knobs, for a while. Nothing in it is
/// global: several run at the same time, one on each thread.
class Renderer {
  public:
    struct Settings {
        double rate = 96000.0;
        bool realCase = false;         ///< with what the metal adds (electrics.h)
        std::vector<int> silenced{};   ///< cables that stay plugged and bring nothing
        std::vector<JackRef> probes{}; ///< outputs, patched or not, and inputs
        bool scenes = false;           ///< knobs follow the scenes of the patch
    };
    /// Compiles a checked patch. Fails if a probe is not a jack of the patch, or an input that nothing feeds.
    static Result<Renderer> make(const Patch& patch, const Library& library, Settings settings);

    /// Back to the start; knobs stay where they were put.
    void reset();
    /// Puts another patch into effect, as the live engine would (planChange), without a cross-fade. Fails, and changes
    /// nothing, if a probe would hear nothing in it.
    Result<void> setPatch(const Patch& patch);
    /// Turns a knob (in its unit): smoothly as by hand, or in a straight line over so many seconds.
    Result<void> setControl(const std::string& post, const std::string& knob, double value);
    Result<void> moveControl(const std::string& post, const std::string& knob, double value, double seconds);
    /// Runs on for so long, in whole runs. False if the sink cancelled.
    bool run(double seconds, const Sink& sink);

    [[nodiscard]] const Schedule& schedule() const { return *schedule_; }
    [[nodiscard]] const Patch& patch() const { return patch_; }
    [[nodiscard]] double rate() const { return settings_.rate; }

  private:
    Renderer(const Patch& patch, const Library& library, Settings settings);
    /// What the probes hear in a schedule; fails if one hears nothing.
    [[nodiscard]] Result<std::vector<const Signal*>> probesOf(const Schedule& schedule) const;
    Result<int> slotOf(const std::string& post, const std::string& knob, double& value) const;

    Patch patch_;
    const Library* library_;
    Settings settings_;
    std::unique_ptr<Schedule> schedule_;
    std::vector<const Signal*> probes_;
    std::unique_ptr<Transport> transport_;
};

struct RenderOptions {
    double seconds = 8.0;
    double engineRate = 96000.0;
    double fileRate = 48000.0;            ///< of the mix; probes keep the engine's rate
    std::vector<JackRef> probes;          ///< outputs and inputs to record in volts
    std::vector<int> silenced{};          ///< cables that stay plugged and bring nothing
    bool realCase = false;                ///< with what the metal adds (electrics.h)
    bool scenes = false;                  ///< knobs follow the scenes of the patch
    std::function<bool(double)> progress; ///< told 0…1 now and then; false cancels
};

struct Rendering {
    double fileRate = 48000.0;
    double engineRate = 96000.0;
    std::vector<float> mix;  ///< interleaved stereo at fileRate, ±1 is 0 dBFS
    std::vector<float> left; ///< the case's output in volts at engineRate
    std::vector<float> right;
    std::map<JackRef, std::vector<float>> probes;
    std::vector<LateCable> lateCables;
    std::uint64_t faults = 0;
    std::string faultyPost;
};

/// Renders a checked patch from its start. Fails if a probe is not a jack of the patch, or when cancelled.
Result<Rendering> render(const Patch& patch, const Library& library, const RenderOptions& options);

/// Converts interleaved stereo volts at one rate into ±1 full scale at another; the length follows the ratio.
std::vector<float> convertMix(std::span<const float> left, std::span<const float> right, double fromRate,
                              double toRate);

} // namespace lariat
