// A module written down as people would describe it, one thing a line; and back.
//
//   module My drum                        its name
//   id my-drum                            … if its id is not just that
//   about Kick behind one trigger
//   10 HP, 45 mA on +12 V, 40 mA on -12 V
//   noise 60 µV
//
//   part Drum                             a post of the chart; "part Drum (drum-1)" where its id is another word
//   osc is a vco, with octave +1          a block, with what the panel does not show
//   split out 1 to bend gate              a wire behind the panel; "wire" or "block" may stand before such lines, and
//                                         must where a block is called as a line begins ("main", "part" …)
//   jack trig is split in                 a jack: its word on the panel, and where it leads;
//                                         "jack reset" alone is the block's own, under its own word
//   jack out is vca out, from -5 V to +5 V, gain 2, offset +5 V, right vca-2 out, hertz per volt, 1 kΩ
//   jack gate in is comp in, threshold 3 V, pulses from 2 ms
//   unplugged, gate hears 1 gate          what stands behind its switch: a part and a jack of it
//   knob Tune is osc fine, from -1 st to +1 st, starts at +0.2 st, taper log
//   readings of Tune: -1 st at 7:30, +1 st at 4:20; points
//   with a plug in pwm, knob Width is called PWM depth, sets osc pwm amount
//   with Type at AD and Loop at on, jack trig is called strike
//   main Tune, Bend                       knobs at the head of the post
//   all jacks and knobs                   of one block: what is not named stands there under its own word
//   outputs 1 kΩ
//   # anything                            is passed over
//
// A name with commas or brackets stands in quotation marks.
#pragma once

#include "model/module.h"

#include <optional>
#include <string>
#include <string_view>
#include <vector>

namespace lariat {

inline constexpr std::size_t kLongestModuleText = 200'000; ///< bytes

/// What is wrong in a line, counted from 1; 0: with the whole.
struct Fault {
    int line = 0;
    Sentence reason;
};

struct ModuleText {
    std::optional<ModuleDescription> module; ///< only without faults; it resolves then
    std::vector<Fault> faults;               ///< all of them, in the order of their lines
};

/// Reads lines as above. What does not stand in them (keys of other versions) is taken from `extra`.
ModuleText readModuleText(std::string_view text, const Extra& extra = {});
/// Writes lines that readModuleText reads as the same module.
std::string writeModuleText(const ModuleDescription& module);
/// What the line under the hand can name: jacks and controls of the block that it speaks of, else the blocks there are;
/// nothing before the first part, where the module as a whole is described.
std::string hintFor(std::string_view text, int line);

} // namespace lariat
