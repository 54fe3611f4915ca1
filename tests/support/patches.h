// Small patches in Keeper's case, written in a few words.
#pragma once

#include "findings/finding.h"
#include "library/workspace.h"

#include <string>
#include <utility>
#include <vector>

namespace lariat::test {

/// Hits of a lane as they are written: "x..X".
std::vector<Hit> hits(const char* words);
/// The shipped modules and cases.
const Workspace& workspace();
/// The shipped demo.
Patch lamp();
/// A shipped patch, "lamp.json".
Patch demo(const std::string& file);

/// Builds a patch: posts as "id = slot/part", cables as "post.jack > post.jack", knobs as "post.knob = value".
class PatchMaker {
  public:
    explicit PatchMaker(const std::string& caseId = "keepers-case");
    PatchMaker& post(const std::string& id, const std::string& slot, const std::string& part);
    PatchMaker& tie(const std::string& from, const std::string& to);
    /// Takes out what is plugged into a jack.
    PatchMaker& untie(const std::string& to);
    /// A cable that goes over a mult of the tower.
    PatchMaker& overMult(const std::string& from, const std::string& to);
    PatchMaker& knob(const std::string& post, const std::string& knob, double value);
    PatchMaker& tuning(const std::string& post, const std::string& name);
    PatchMaker& pattern(Pattern pattern);
    /// Clock and tracks, tied, playing one note on every 16th and a drum on every beat.
    PatchMaker& timing(double gate = 0.5);
    /// timing(), and a voice that is right: "osc", "filter" and "vca" under "contour", "out".
    PatchMaker& voice();
    /// The patch; throws std::runtime_error if it does not pass checkPatch.
    [[nodiscard]] Patch make() const;

  private:
    Patch patch_;
};

/// Everything found in a patch after a run of so many seconds.
std::vector<Finding> findingsIn(const Patch& patch, double seconds = 3.0);
/// Those of one rule.
std::vector<Finding> findingsIn(const Patch& patch, const std::string& rule, double seconds = 3.0);

/// What is wrong with the cures that a finding would have offered.
std::string whyNone(const Patch& patch, const Finding& finding);

JackRef jackRef(const std::string& text);

} // namespace lariat::test
