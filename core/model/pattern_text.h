// Lines of a pattern as words, as they stand in patch files and are typed.
//
// A step is a note, a rest or a tie, and what else there is to say of it:
//   d3        a note              -  or .   a rest              =   a tie
//   d3!       accented            d3~       slides from the note before
//   0.4       open for that part of the step                    v80  velocity
//   c2.5      volts at the CV output     p50  chance in per cent     x3  strikes within the step
//   +25       comes late by that part of the step, in per cent
//   d3?       nobody wrote it down: d3 is tried; ? alone: the note before
// In a file each step is a text of its own with its words apart: "D3! 0.4 v80". In a line they are joined with commas,
// and steps stand apart: "d3!,0.4,v80 - f3~ =". A step followed by *3 stands three times. A lane is written x for a
// hit, X for an accent, ? for a hit that nobody wrote down and . or - for a rest: "x... X.x.".
#pragma once

#include "model/pattern.h"
#include "model/result.h"

#include <array>
#include <string>
#include <string_view>
#include <vector>

namespace lariat {

/// One step, its words with spaces or commas between.
Result<Step> readStep(std::string_view text);
/// "D3! 0.4 v80"; what is as usual is left out.
std::string writeStep(const Step& step, char between = ' ');

/// 1…64 steps. The error names the step.
Result<std::vector<Step>> readSteps(std::string_view line);
std::string writeSteps(const std::vector<Step>& steps);

/// 1…64 hits. The error names the character.
Result<std::vector<Hit>> readHits(std::string_view line);
/// In fours: "x... X.x."
std::string writeHits(const std::vector<Hit>& hits);

/// Directions in their order, as files and lines say them.
inline constexpr std::array<std::string_view, 4> kDirectionNames = {"forward", "backward", "pendulum", "random"};

/// How a line goes through its steps, as words with a comma before each: ", every 2, pendulum, swing 62, triplets,
/// lock 3"; what is as usual is left out.
std::string strideWords(const Stride& stride);
/// Reads such words, separated by commas.
Result<Stride> readStrideWords(std::string_view words);

/// Open part of the step of a note that says nothing of it; of a tie the whole.
double usualGate(Step::Kind kind);

} // namespace lariat
