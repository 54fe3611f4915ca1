// Sentences: a patch written down as people say it, one act a line.
//
//   osc a saw to filter in 1          ties a cable; a part that is not in use yet is taken from the case
//   vco saw to filter in              a function stands for the one post that has it, else for a free part
//   another vca out to line out l     … always for a free part
//   filter cutoff 412 Hz              turns a knob: "at", "to" or "=" may stand before the value
//   contour 1 decay at 10:20
//   osc a saw to ?                    nobody knows where that cable goes; "? to filter in 1": where it comes from
//   unknown part grey box             a part that nobody knows any more
//   filter res unknown                nobody knows where it stands; "between 10:00 and 12:00": only that much is known
//   tracks track 1: d3 d3 - f3        writes a line of a sequencer (pattern_text.h); "lane 2 b:" in variation B; with
//   commas
//                                     before the colon: every 2, backward, pendulum, random, triplets, swing 62, lock 2
//   call osc a Leader                 names a post
//   title: First voice                names the patch
//   # Lead · make it sound            the heading of the cables that follow
//   note: the red one                 a note on the cable tied last
//   note on filter: it sings          a note on a post
#pragma once

#include "building/edits.h"
#include "library/library.h"

#include <string>
#include <vector>

namespace lariat {

inline constexpr std::size_t kLongestSentence = 300; ///< characters
inline constexpr std::size_t kLongestLine = 4000;    ///< of one that writes steps or a note behind a colon
inline constexpr std::size_t kMostSentences = 2000;

struct Sentences {
    Edits edits;                    ///< in order; to be applied as one step
    std::vector<JackRef> tied;      ///< inputs of the cables
    std::vector<std::string> taken; ///< "Osc A of Keel VCO pair, row 1", for each part that comes out of the case
    std::size_t others = 0;         ///< knobs turned, names and notes given
};

/// What sentences ask for, one a line or with semicolons between; empty lines and "- " or "3." at the start of a line
/// are passed over, so that a list from somebody's notes can be pasted. All of them or none: the error names the
/// sentence, what was not understood, and what is near.
Result<Sentences> readSentences(const std::string& text, const Patch& patch, const Library& library,
                                const Case* housing);

struct Completion {
    std::string text;
    Sentence about; ///< "-5…+5 V, free", or where in the case it is
};
/// What a sentence may become, best first: jacks of posts in use, then parts that are free in the case.
std::vector<Completion> completeSentence(const std::string& text, const Patch& patch, const Library& library,
                                         const Case* housing, std::size_t limit = 12);

} // namespace lariat
