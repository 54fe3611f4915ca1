// A recipe: how something is built, said without a case. Roles say what is needed, cables tie roles in build order,
// knobs stand where wishes want them, goals say what is to be measured in the end.
#pragma once

#include "model/extra.h"
#include "model/pattern.h"
#include "model/performance.h"
#include "plan/expression.h"

#include <filesystem>
#include <functional>
#include <string>
#include <vector>

namespace lariat {

inline constexpr int kRecipeVersion = 1;
inline constexpr std::size_t kMostRoles = 64;
inline constexpr std::size_t kMostChoices = 16; ///< of a wish
inline constexpr std::size_t kMostRecipeCables = 200;

/// Holds only where a wish of a choice stands at that word.
struct Condition {
    std::string wish; ///< empty: always
    std::string is;
    bool operator==(const Condition&) const = default;
};

/// What somebody may want of it.
struct Wish {
    enum class Kind { Note, Tempo, Seconds, Percent, Hertz, Number, Choice };
    std::string id; ///< its name in expressions
    std::string name;
    Kind kind = Kind::Number;
    std::string initial; ///< as it is typed: "D1", "300 ms", "with reset"
    double min = 0.0;
    double max = 1.0;
    std::vector<std::string> choices{};
    std::string about{};
};

struct Role {
    std::string id;
    std::string name;    ///< what it does here: "bends the pitch"
    std::string plays;   ///< Function::id
    bool shared = false; ///< one that is in use already serves as well: a clock, a sequencer
    Condition when{};
    std::string sample{};
    std::string tuning{};
};

/// "role.word"
struct RoleJack {
    std::string role;
    std::string word;
    bool operator==(const RoleJack&) const = default;
};

struct RecipeCable {
    RoleJack from;
    RoleJack to;
    std::string step{}; ///< heading of the build order
    std::string note{};
    std::string check{}; ///< what is heard, seen or read once it is tied
    Condition when{};
};

struct RecipeKnob {
    RoleJack at;    ///< role and the function's word for the knob
    std::string to; ///< "= expression", or words as on the dial: "412 Hz", "10:20", "band-pass"
    Condition when{};
};

/// A line of steps of a role that sequences.
struct RecipeLine {
    std::string role;
    std::string steps;       ///< in the words of patterns: "d2 - d2 ." or "x..."
    std::string transpose{}; ///< expression of semitones; empty: as written
    Stride stride{};
    int variation = 0; ///< from that one on, A … H; those that another line does not say otherwise
    Condition when{};
};

/// What a role that is played is given exactly as it was played: pressure, controllers, times off the grid.
struct RecipePlayed {
    std::string role;
    Performance performance{}; ///< of no post; its tempo counts where the recipe wishes none
    std::string transpose{};   ///< expression of semitones
    Condition when{};
};

/// What a goal measures (plan/goal.h).
enum class GoalKind { Pitch, Length, Peak, Level, Brightness, Formant, Rate, Lowest, Highest, Alike, Like };
inline constexpr int kGoalKindCount = 10; ///< that can be asked for in words; Like has a recording
const char* goalKindName(GoalKind kind);

struct RecipeGoal {
    std::string name;
    GoalKind kind = GoalKind::Peak;
    RoleJack at{};          ///< an output; no role: what is heard
    std::string want{};     ///< expression in the goal's unit
    std::string within{};   ///< expression: how far off is still good
    std::string from = "0"; ///< expressions: seconds of the run that are looked at
    std::string to = "2";
    Condition when{};
};

/// A knob that may be turned until the goals hold.
struct RecipeTrim {
    RoleJack at;
    Condition when{};
};

struct Recipe {
    std::string id;
    std::string name;
    std::string group; ///< "Drums", "Voices"
    std::string about;
    std::vector<Wish> wishes;
    std::map<std::string, std::string> let; ///< names that are worked out from wishes
    std::vector<Role> roles;
    std::vector<RecipeCable> cables;
    std::vector<RecipeKnob> knobs;
    std::vector<RecipeLine> lines;
    std::vector<RecipePlayed> played;
    std::vector<RecipeGoal> goals;
    std::vector<RecipeTrim> trims;
    std::vector<std::string> ear; ///< what remains for the ear
    std::vector<std::string> cautions;
    Extra extra;

    [[nodiscard]] const Role* role(std::string_view id) const;
    [[nodiscard]] const Wish* wish(std::string_view id) const;
};

/// Reads a "lariat-recipe" document, and checks that its parts fit together: every cable, knob, line and goal names a
/// role, every condition a wish and one of its words.
Result<Recipe> readRecipe(std::string_view bytes);
/// Writes what readRecipe reads.
std::string writeRecipe(const Recipe& recipe);

/// What was wished, by wish: in its own words, as it is typed.
using Wishes = std::map<std::string, std::string>;
/// The values of all wishes, choices as their place in the list, of `let`, and `beat`. What is not wished stands as the
/// recipe has it. Fails with the wish that cannot be read.
Result<Values> wishValues(const Recipe& recipe, const Wishes& wishes);
/// One wish as a number; notes as note numbers.
Result<double> readWish(const Wish& wish, const std::string& text);
/// The recipe with only what holds under these wishes.
Recipe chosen(Recipe recipe, const Values& values);
/// The recipe with all that its plans write into a patch, names of roles, headings, notes and checks, as `said` has it.
Recipe inWords(Recipe recipe, const std::function<std::string(const std::string&)>& said);

struct RecipeBook {
    std::vector<Recipe> recipes; ///< by group, then as their files are named
    std::vector<Error> errors;
    [[nodiscard]] const Recipe* find(std::string_view id) const;
};
/// Every recipe of a data folder and of the user's own; one's own replaces one of the same id.
RecipeBook loadRecipes(const std::filesystem::path& data, const std::filesystem::path& own = {});

} // namespace lariat
