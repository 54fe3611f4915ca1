// Examples of what a rule looks for, and of what looks like it and is right.
#pragma once

#include "support/patches.h"

#include <functional>
#include <string>
#include <vector>

namespace lariat::test {

/// A voice in the tower, that is right.
PatchMaker voice();
/// The voice, whose filter goes through something else than its VCA, "amp", to the way out.
PatchMaker through(const char* slot, const char* part, const char* in, const char* cv, const char* out);
PatchMaker banked();
PatchMaker gated();
PatchMaker mixed();
/// A slow wave at a jack.
PatchMaker waved(PatchMaker maker, double hertz, const char* wave, const char* to);

/// Something strikes noise, or an oscillator, on the right, through an envelope of its own.
PatchMaker hit(const char* slot, const char* part, const char* gate, bool noise = true);
PatchMaker functions(double rise, double fall, bool noise = true);
PatchMaker contour(double type, double attack, double decay, bool noise = true);
/// A drum of an oscillator.
PatchMaker drum(const char* wave);
/// The voice on a follower that an oscillator leads.
PatchMaker led();
PatchMaker shaken(const char* in, const char* amount, double depth);
/// A filter that sings, in the place of the oscillator.
PatchMaker singing(const char* slot, const char* part, const char* out);
PatchMaker divided();
/// The tune goes through something to the oscillator.
PatchMaker tuneThrough(const char* slot, const char* part);
/// What the VCA gives goes through something to the way out.
PatchMaker soundThrough(const char* slot, const char* part, const char* in, const char* out);
PatchMaker lifted(double offset);
/// Three oscillators in a mixer behind the VCA.
PatchMaker summed(const char* slot, const char* part, const std::vector<const char*>& inputs, const char* out);

struct Example {
    const char* rule;
    const char* name;
    std::function<PatchMaker()> make;
};
void addRows(const std::vector<Example>& examples);
/// The rule finds it, and its first cure leaves nothing of that rule.
void foundAndCured(const Example& example);
/// Nothing is a mistake in it, or wants caution.
void isRight(const Example& example);

} // namespace lariat::test
