// A patch, or a voice of one, kept as a recipe: parts become roles, jacks and knobs the words of their functions.
#pragma once

#include "plan/recipe.h"
#include "stock/functions.h"

namespace lariat {

struct KeepAsk {
    std::string voice{}; ///< empty: all of the patch
    std::string id;
    std::string name;
    std::string group = "Yours";
};

/// What a voice is fed by and goes to becomes roles too: clocks, sequencers and keys as ones that may be shared, the
/// mixer as the way out. Normals and wires behind panels that carry something are cables of the recipe: a case that
/// has them saves those. Wishes and goals are the user's to add; the tempo, if a clock is in it, is one already.
/// Fails if there is no such voice.
Result<Recipe> keepAsRecipe(const Patch& patch, const Library& library, const Functions& functions, const KeepAsk& ask);

} // namespace lariat
