// What is done to lines of a pattern as a whole: each takes one and gives another.
//
// A range of steps is [first, last]; where it is not given, all of them.
#pragma once

#include "timing/lines.h"
#include "units/key.h"

#include <cstdint>
#include <set>
#include <string_view>
#include <vector>

namespace lariat {

using Steps = std::vector<Step>;
using Hits = std::vector<Hit>;

/// Turned within the chosen steps by so many places to the right; negative: to the left. All of them if none is chosen.
template <class Line> Line rotated(Line line, const std::set<int>& chosen, int by);
/// Back to front.
template <class Line> Line reversed(Line line, const std::set<int>& chosen);
/// Every other note or hit of the chosen ones becomes a rest, from the second on.
template <class Line> Line thinned(Line line, const std::set<int>& chosen);
/// The chosen steps once more behind themselves; what would be beyond 64 is left out.
template <class Line> Line duplicated(Line line, const std::set<int>& chosen);
/// Steps put over those from `at` on; what would be beyond the end is left out.
template <class Line> Line pasted(Line line, int at, const Line& steps);
/// Made so long: cut, or gone on with from its beginning.
template <class Line> Line lengthened(Line line, int length);
/// The chosen ones become rests.
template <class Line> Line cleared(Line line, const std::set<int>& chosen);

/// Notes moved by semitones.
Steps transposed(Steps steps, const std::set<int>& chosen, int semitones);
/// Notes moved by notes of a key.
Steps movedInKey(Steps steps, const std::set<int>& chosen, const Key& key, int degrees);
/// Velocities ±12 and gates ±10 % of a step, from a seed.
Steps humanized(Steps steps, const std::set<int>& chosen, std::uint64_t seed);

/// Steps of two lines at which they differ; what only one of them has differs.
template <class Line> std::set<int> differing(const Line& a, const Line& b);

/// What is written for a post, or a pattern without lines.
Pattern patternOf(const Patch& patch, const std::string& post);
/// A line of a variation (0 is A), to be changed. Variations up to it are written as copies of A first, and lines up to
/// it as sixteen rests in every variation.
Track& trackAt(Pattern& pattern, int variation, int index);
Lane& laneAt(Pattern& pattern, int variation, int index);

/// The line in words (pattern_text.h); empty if it is not written.
std::string lineText(const Pattern& pattern, const LineRef& line, int variation);
/// All of a line as a sentence (building/sentences.h): "Tracks lane 1 b, swing 62: x... x.x."
std::string lineSentence(const Patch& patch, const Pattern& pattern, const LineRef& line, int variation);
/// The pattern with that line, or why the words are none.
Result<Pattern> withLine(Pattern pattern, const LineRef& line, int variation, std::string_view words);
/// The stride of a line; nullptr if it is not written.
const Stride* strideOf(const Pattern& pattern, const LineRef& line, int variation);
/// Where a sequencer tells of the step that a line plays (Block::tell): one of lines tells of its four tracks, then of
/// its lanes, whatever of them the panel shows; every other of its one line.
inline std::size_t toldAt(const Sequencer& sequencer, const LineRef& line) {
    return sequencer.plays ? static_cast<std::size_t>((line.lane ? 4 : 0) + line.index) : 0;
}
/// Notes or hits of a line in all variations together.
int notesIn(const Pattern& pattern, const LineRef& line);
/// How many steps it has; 0 if it is not written.
int stepsOf(const Pattern& pattern, const LineRef& line, int variation);

} // namespace lariat
