// A free-hand wish: lines as somebody says what they want, made into a recipe that can be planned like any other.
//
//   2 vco, filter, 2 vca, contour for both, lfo slow to pwm
//
// Commas, line ends and "and" part what is wanted. Each names a function, in one of its usual words, with a number
// before it, words about it (slow, fast, short, long, bright, dark), "for" whom it works and "to" what it moves. The
// sound goes from what makes it through what shapes it in the order that is written; what plays (keys, a sequencer) is
// added where nobody names it; contours open amplifiers first, LFOs move filters first.
#pragma once

#include "plan/recipe.h"
#include "stock/functions.h"

#include <string_view>

namespace lariat {

inline constexpr std::size_t kLongestWish = 2000; ///< bytes

/// The recipe of a wish; its id is "wish". Fails with the words that were not understood, and what is near.
Result<Recipe> recipeFromWish(std::string_view text, const Functions& functions);

} // namespace lariat
