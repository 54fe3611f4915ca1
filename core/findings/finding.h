// Findings: mistakes in a patch, each with the figure that shows it and fixes that one click applies.
//
// A rule is one file with one function; copy one, and list it in findAll (finding.cpp). Rules look at an Observation:
// the patch and what a silent fast run of it recorded.
#pragma once

#include "engine/render.h"
#include "model/case.h"
#include "model/edit.h"

#include <string>
#include <vector>

namespace lariat {

struct Fix {
    std::string label;
    std::vector<Edit> edits;
};

enum class Severity { Mistake, Caution };

struct Finding {
    std::string rule; ///< id of the rule that made it
    Severity severity = Severity::Mistake;
    int cable = 0;      ///< the cable it sits on, or 0
    std::string post;   ///< the post it sits on
    std::string figure; ///< the measured figure
    std::string reason; ///< one or two plain sentences
    std::vector<Fix> fixes;
};

/// A patch and what its cables carried in a run from the start.
struct Observation {
    Patch patch;
    const Library* library = nullptr;
    const Case* housing = nullptr; ///< the case, for parts that are still free; may be nullptr
    Rendering recorded;            ///< with a probe at every output that a cable leaves

    /// Recorded volts of an output; empty if no cable leaves it.
    [[nodiscard]] std::span<const float> at(const JackRef& output) const;
    [[nodiscard]] double rate() const { return recorded.engineRate; }
    [[nodiscard]] const PartInfo* part(const std::string& post) const;
    [[nodiscard]] const JackInfo* jack(const JackRef& ref) const { return library->jack(patch, ref); }
    /// The post has a block of that type.
    [[nodiscard]] bool is(const std::string& post, std::string_view blockType) const;
    /// The post's jack for a block's input or output; an empty jack if it has none.
    [[nodiscard]] JackRef jackFor(const std::string& post, std::string_view blockType, std::string_view jack) const;
    /// The output that feeds this input, through a cable or normals; an empty post if nothing does.
    [[nodiscard]] JackRef feeder(const JackRef& input) const { return feederOf(patch, *library, input); }
    /// Posts from which sound or control reaches `post`, itself included.
    [[nodiscard]] std::vector<std::string> upstream(const std::string& post) const;
    /// The first post that has a block of that type; empty if there is none.
    [[nodiscard]] std::string first(std::string_view blockType) const;
    [[nodiscard]] std::string nameOf(const std::string& post) const;
    /// "cable 7"
    [[nodiscard]] std::string cableName(int id) const;
};

inline constexpr double kObservedSeconds = 6.0;

/// Runs the patch silently and records it. The patch must have passed checkPatch.
Result<Observation> observe(const Patch& patch, const Library& library, const Case* housing,
                            double seconds = kObservedSeconds, const std::function<bool(double)>& progress = {});

/// All findings, in the order of the rules; those of one rule in row order.
std::vector<Finding> findAll(const Observation& observation);

} // namespace lariat
