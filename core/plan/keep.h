// A patch, or a voice of one, kept as a recipe: parts become roles, jacks and knobs the words of their functions.
#pragma once

#include "plan/recipe.h"
#include "stock/functions.h"

#include <set>
#include <utility>

namespace lariat {

struct KeepAsk {
    std::string voice{}; ///< empty: all of the patch
    std::string id;
    std::string name;
    std::string group = "Yours";
    std::set<std::pair<std::string, std::string>> vary{}; ///< knobs that become wishes, by post and knob
};

/// What a voice is fed by and goes to becomes roles too: clocks, sequencers and keys as ones that may be shared, the
/// mixer as the way out. Normals and wires behind panels that carry something are cables of the recipe: a case that
/// has them saves those. Knobs that may vary are
/// its wishes, and the tempo, if a clock is in it; goals are the user's to add. Fails if there is no such voice, or if
/// a knob that is to vary is none of it.
Result<Recipe> keepAsRecipe(const Patch& patch, const Library& library, const Functions& functions, const KeepAsk& ask);

/// Some posts of a patch as a recipe, and what they are tied to as roles of its own kind, which stay what they are.
struct KeptParts {
    struct Spot {
        std::string post;
        int block = 0;      ///< of its part
        int channel = 0;    ///< of a block that has several; 0: of one that has not
        bool stays = false; ///< none of the posts, but what they are tied to
    };
    Recipe recipe;
    std::map<std::string, Spot> spots; ///< by role
    std::vector<int> cables;           ///< of the patch, in the order of the recipe's; 0: a wire or a normal
};
Result<KeptParts> keepParts(const Patch& patch, const Library& library, const Functions& functions,
                            const std::set<std::string>& posts);

} // namespace lariat
