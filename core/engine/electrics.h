// Electrical truth: what the metal of a case adds to a patch.
//
// An output of R kΩ (1 unless the module says otherwise) that is split passively into inputs of r kΩ each (100) sags to
// p/(p + R), p being the inputs in parallel. Modules are trimmed into one usual input, so the gain is stated relative
// to that: one input is exact, and each further one costs about 1 %, 12 cents of a pitch of 1 V. A passive mult has no
// resistance of its own: whatever is plugged into it loads the source. A buffered one is a source itself.
#pragma once

#include "library/library.h"

#include <map>

namespace lariat {

inline constexpr double kOutputKiloohms = 1.0;
inline constexpr double kInputKiloohms = 100.0;

class Electrics {
  public:
    Electrics(const Patch& patch, const Library& library);
    /// Volts at this input per volt of its source, relative to a source with one usual input.
    [[nodiscard]] double gainInto(const JackRef& input) const;
    /// How many inputs share the source of this one, itself included.
    [[nodiscard]] int sharers(const JackRef& input) const;

  private:
    struct Load {
        double siemens = 0.0; ///< in 1/kΩ
        int inputs = 0;
        double sourceKiloohms = kOutputKiloohms;
    };
    [[nodiscard]] const Load* loadOf(const JackRef& input) const;

    std::map<JackRef, JackRef> roots_; ///< input → the output at the end of its passive mults
    std::map<JackRef, Load> loads_;    ///< by that output
};

} // namespace lariat
