// What is different between two patches, as people say it, each difference with what it takes to bring it over.
//
// Law, tested with random patches: bringing all differences of a and b into a gives b.
#pragma once

#include "library/library.h"
#include "log/aspects.h"
#include "units/sentence.h"

#include <string>
#include <vector>

namespace lariat {

struct Difference {
    /// In the order in which they are told. SmallPrint: what has no words of its own, such as where a post stands.
    enum class Group { Patch, Posts, Cables, Knobs, Pattern, Played, Scenes, Notes, SmallPrint };
    Group group = Group::Patch;
    Sentence text;                   ///< "Filter Cutoff +40 minutes"
    std::vector<Sentence> details{}; ///< "step 5 rests", "step 8: D3 → D4"
    Sentence figure{};               ///< "412 Hz → 655 Hz"; may be empty
    std::vector<AspectKey> keys{};   ///< what is brought over with it
    int row = 0;                     ///< of b's cables, or of a's if it is gone; 0: it is about no cable
    std::string post{};              ///< that it is about
};

/// Posts are the same if their ids are; cables if they enter the same jack, or have one number and leave the same.
std::vector<Difference> differences(const Patch& a, const Patch& b, const Library& library);
/// The heading of a group: "Cables".
Sentence groupName(Difference::Group group);
/// In one line: "Lead B: step 5 rests; step 8: D3 → D4 (2 of 8 steps)".
std::string inOneLine(const Difference& difference, const Speaker& speak = inEnglish);

/// `a` with these differences brought over from `b`. A cable brings the posts that it needs, a post that goes takes its
/// cables along. Fails, saying why, if what comes out is no patch: two posts on one part.
Result<Patch> broughtOver(const Patch& a, const Patch& b, const std::vector<Difference>& chosen,
                          const Library& library);

} // namespace lariat
