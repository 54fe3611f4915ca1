// What a recipe's lines say as steps of a pattern or as keys that are pressed.
#pragma once

#include "plan/recipe.h"

namespace lariat {

/// A line in the form that its words have: hits ("x...") or notes.
struct LineSteps {
    std::vector<Step> steps;
    std::vector<Hit> hits;
    bool isHits = false;
};
/// Reads it, transposed. Fails on words that are no steps and on an expression that cannot be worked out.
Result<LineSteps> stepsOfLine(const RecipeLine& line, const Values& values);

/// The pattern with the line on that track or lane, called so, in its variation and all later ones. Of a track, a hit
/// is a short note; a lane takes hits only.
Pattern withRecipeLine(Pattern pattern, bool lane, int index, const RecipeLine& line, const LineSteps& what,
                       const std::string& name);

/// Steps as keys that are pressed, a sixteenth for each clock pulse; what is played there already goes on.
Performance withPressed(Performance there, const std::vector<Step>& steps, int division, double tempo);

/// What was played, transposed and at the tempo that is wished, if one is, over what is played there already.
Result<Performance> withPlayed(Performance there, const Recipe& recipe, const RecipePlayed& played,
                               const Values& values);

} // namespace lariat
