// What tests of the shipped patches share: to open, change, play and measure one.
#pragma once

#include "engine/render.h"
#include "library/check.h"
#include "measure/measure.h"
#include "model/edit.h"
#include "support/patches.h"

#include <cmath>
#include <stdexcept>

namespace lariat::test {

inline constexpr double kRate = 96000.0;

inline Patch build(const std::string& name) {
    const auto patch = openPatch(std::string(LARIAT_SOURCE) + "/data/demo/" + name + ".json", workspace().library);
    if (!patch) throw std::runtime_error(patch.error().text());
    return *patch;
}

inline Patch with(const Patch& patch, const std::string& post, const std::string& knob, double value) {
    return *applyEdit(patch, SetKnob{post, knob, value});
}

inline Patch without(Patch patch, const std::string& to) {
    std::erase_if(patch.cables, [&](const Cable& cable) { return cable.to.text() == to; });
    return patch;
}

/// Recordings by jack; "left" and "right" are the way out in volts.
struct Take {
    Rendering made;
    const std::vector<float>& operator[](const std::string& jack) const {
        return jack == "left" ? made.left : jack == "right" ? made.right : made.probes.at(jackRef(jack));
    }
};

inline Take take(const Patch& patch, double seconds, const std::vector<std::string>& probes = {},
                 bool realCase = false) {
    RenderOptions options;
    options.seconds = seconds;
    options.fileRate = 0.0;
    options.realCase = realCase;
    for (const auto& jack : probes) options.probes.push_back(jackRef(jack));
    auto made = render(patch, workspace().library, options);
    if (!made) throw std::runtime_error(made.error().text());
    if (made->faults > 0) throw std::runtime_error("not a number at " + made->faultyPost);
    return {std::move(*made)};
}

inline double cents(double hertz, double wanted) {
    return hertz > 0.0 ? 1200.0 * std::log2(hertz / wanted) : 1e9;
}

inline double rms(const std::vector<float>& volts) {
    return measureLevel(volts).rms.value;
}

inline double decibels(double ratio) {
    return 20.0 * std::log10(ratio);
}

} // namespace lariat::test
