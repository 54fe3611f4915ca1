// What jacks of the running patch give: watched while somebody asks of them, as traces that end now, and as the curves
// of a picture from frame to frame.
#pragma once

#include "ask/asking.h"
#include "shell/session.h"

#include <map>
#include <memory>
#include <optional>
#include <vector>

namespace lariat {

class LiveTraces {
  public:
    static constexpr double kSeconds = 2.0; ///< of samples that are kept

    explicit LiveTraces(const Session& session) : session_(session) {}
    ~LiveTraces();
    LiveTraces(const LiveTraces&) = delete;
    LiveTraces& operator=(const LiveTraces&) = delete;

    /// Watches these from now on, and no others.
    void follow(const std::vector<JackRef>& jacks);
    /// The newest samples of them, all ending now; nothing until all have given some.
    [[nodiscard]] std::vector<Trace> traces(const std::vector<JackRef>& jacks, double seconds = kSeconds) const;
    /// Curves of a picture of so many seconds: from the newest edge that has a whole picture behind it, or, of what is
    /// longer than the samples go back, rolling by.
    [[nodiscard]] std::vector<PlotCurve> curves(const std::vector<JackRef>& jacks, double window,
                                                const Trigger& trigger) const;

  private:
    [[nodiscard]] std::optional<std::vector<PlotCurve>> curvesWithin(const std::vector<JackRef>& jacks, double window,
                                                                     const Trigger& trigger, double seconds) const;
    [[nodiscard]] std::vector<PlotCurve> rolling(const std::vector<JackRef>& jacks, double window) const;

    Session session_;
    std::map<JackRef, std::shared_ptr<const Tap>> taps_;
};

} // namespace lariat
