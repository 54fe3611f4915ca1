#include "plan/recipe.h"

#include "model/file.h"
#include "model/json.h"
#include "model/pattern_json.h"
#include "units/pitch.h"
#include "units/scale.h"

#include <algorithm>
#include <array>

namespace lariat {
namespace {

namespace fs = std::filesystem;

constexpr std::array<const char*, 7> kWishKinds = {"note", "tempo", "seconds", "percent", "hertz", "number", "choice"};
constexpr std::array<const char*, 10> kGoalKinds = {"pitch",   "length", "peak",   "level",   "brightness",
                                                    "formant", "rate",   "lowest", "highest", "alike"};

template <class Kind, std::size_t N>
Kind readKind(Reader& in, const char* key, const std::array<const char*, N>& names) {
    const std::string word = in.text(key);
    const auto it = std::ranges::find(names, word);
    if (it == names.end()) in.fail(key, say("\"{}\" is none of {}", word, fmt::join(names, ", ")));
    return static_cast<Kind>(it - names.begin());
}

/// Names in expressions have no dashes.
std::string readName(Reader& in, const char* key) {
    std::string name = in.text(key);
    const bool good = !name.empty() && name.size() <= 32 && (name[0] < '0' || name[0] > '9') &&
                      name.find_first_not_of("abcdefghijklmnopqrstuvwxyz0123456789_") == std::string::npos;
    if (!good) in.fail(key, say("\"{}\" is not a name of lower-case letters, digits and _", name));
    return name;
}

Scale wishScale(const Wish& wish) {
    switch (wish.kind) {
    case Wish::Kind::Tempo:
        return {Unit::Bpm, wish.min, wish.max};
    case Wish::Kind::Seconds:
        return {Unit::Seconds, wish.min, wish.max};
    case Wish::Kind::Percent:
        return {Unit::Percent, wish.min, wish.max};
    case Wish::Kind::Hertz:
        return {Unit::Hertz, wish.min, wish.max};
    default:
        return {Unit::None, wish.min, wish.max};
    }
}

class RecipeReader {
  public:
    Recipe read(Reader& in) {
        recipe_.id = in.id("id");
        recipe_.name = in.text("name");
        recipe_.group = in.text("group", "Others");
        recipe_.about = in.text("about", "");
        in.each("wishes", [&](Reader wish) { readOneWish(wish); });
        in.eachPair("let", [&](const std::string& name, const std::string& is) { recipe_.let[name] = is; });
        in.each("roles", [&](Reader role) { readRole(role); });
        if (recipe_.roles.empty()) in.fail("roles", say("a recipe needs at least one role"));
        in.each("cables", [&](Reader cable) {
            if (recipe_.cables.size() >= kMostRecipeCables)
                cable.fail("from", say("a recipe has at most {} cables", kMostRecipeCables));
            recipe_.cables.push_back({jack(cable, "from"), jack(cable, "to"), cable.text("step", ""),
                                      cable.text("note", ""), cable.text("check", ""), condition(cable)});
        });
        in.each("knobs", [&](Reader knob) {
            recipe_.knobs.push_back({jack(knob, "knob"), knob.text("to"), condition(knob)});
        });
        in.each("lines", [&](Reader line) {
            RecipeLine out{line.text("role"),
                           line.text("steps"),
                           line.text("transpose", ""),
                           readStride(line),
                           line.integer("variation", 0, kMaxVariations - 1, 0),
                           condition(line)};
            if (!recipe_.role(out.role)) line.fail("role", say("there is no role \"{}\"", out.role));
            recipe_.lines.push_back(std::move(out));
        });
        in.each("played", [&](Reader played) {
            RecipePlayed out{played.text("role")};
            readPlayed(played, out.performance);
            out.transpose = played.text("transpose", "");
            out.when = condition(played);
            if (!recipe_.role(out.role)) played.fail("role", say("there is no role \"{}\"", out.role));
            recipe_.played.push_back(std::move(out));
        });
        in.each("goals", [&](Reader goal) {
            RecipeGoal out{goal.text("name"), readKind<GoalKind>(goal, "measure", kGoalKinds)};
            if (goal.has("at")) out.at = jack(goal, "at");
            out.want = goal.text("want");
            out.within = goal.text("within");
            out.from = goal.text("from", "0");
            out.to = goal.text("to", "2");
            out.when = condition(goal);
            recipe_.goals.push_back(std::move(out));
        });
        in.each("trims", [&](Reader trim) { recipe_.trims.push_back({jack(trim, "knob"), condition(trim)}); });
        in.eachText(
            "ear", [&](const std::string& text, const std::string&) { recipe_.ear.push_back(text); }, 16);
        in.eachText(
            "cautions", [&](const std::string& text, const std::string&) { recipe_.cautions.push_back(text); }, 16);
        recipe_.extra = in.rest();
        return std::move(recipe_);
    }

  private:
    void readOneWish(Reader& in) {
        Wish wish{readName(in, "id"), in.text("name"), readKind<Wish::Kind>(in, "kind", kWishKinds),
                  in.text("initial")};
        const bool note = wish.kind == Wish::Kind::Note;
        wish.min = in.number("min", -1e6, 1e6, note ? 0.0 : wish.kind == Wish::Kind::Tempo ? 20.0 : 0.0);
        wish.max = in.number("max", -1e6, 1e6, note ? 127.0 : wish.kind == Wish::Kind::Tempo ? 300.0 : 100.0);
        in.eachText(
            "choices", [&](const std::string& word, const std::string&) { wish.choices.push_back(word); },
            kMostChoices);
        wish.about = in.text("about", "");
        if (wish.kind == Wish::Kind::Choice && wish.choices.empty()) in.fail("choices", say("names nothing to choose"));
        if (recipe_.wish(wish.id)) in.fail("id", say("\"{}\" is there already", wish.id));
        if (auto value = readWish(wish, wish.initial); !value) in.fail("initial", value.error().reason);
        recipe_.wishes.push_back(std::move(wish));
    }

    void readRole(Reader& in) {
        if (recipe_.roles.size() >= kMostRoles) in.fail("id", say("a recipe has at most {} roles", kMostRoles));
        Role role{in.id("id"),   in.text("name", ""),   in.id("plays"),       in.flag("shared", false),
                  condition(in), in.text("sample", ""), in.text("tuning", "")};
        if (role.name.empty()) role.name = role.id;
        if (recipe_.role(role.id)) in.fail("id", say("\"{}\" is there already", role.id));
        recipe_.roles.push_back(std::move(role));
    }

    Condition condition(Reader& in) {
        if (!in.has("when")) return {};
        Condition out;
        in.eachPair("when", [&](const std::string& wish, const std::string& is) { out = {wish, is}; });
        const Wish* wish = recipe_.wish(out.wish);
        if (!wish) in.fail("when", say("there is no wish \"{}\"", out.wish));
        if (std::ranges::count(wish->choices, out.is) == 0)
            in.fail("when", say("\"{}\" is no choice of {}", out.is, wish->name));
        return out;
    }

    RoleJack jack(Reader& in, const char* key) {
        const std::string text = in.text(key);
        const auto dot = text.find('.');
        if (dot == std::string::npos) in.fail(key, say("\"{}\" is not written role.word", text));
        RoleJack out{text.substr(0, dot), text.substr(dot + 1)};
        if (!recipe_.role(out.role)) in.fail(key, say("there is no role \"{}\"", out.role));
        return out;
    }

    Recipe recipe_;
};

Json conditionJson(const Condition& condition) {
    return {{condition.wish, condition.is}};
}

template <class Part> void putWhen(Json& node, const Part& part) {
    if (!part.when.wish.empty()) node["when"] = conditionJson(part.when);
}

std::string joinedName(const RoleJack& jack) {
    return jack.role + "." + jack.word;
}

} // namespace

const char* goalKindName(GoalKind kind) {
    if (kind == GoalKind::Like) return "like";
    return kGoalKinds[static_cast<std::size_t>(kind)];
}

const Role* Recipe::role(std::string_view wanted) const {
    const auto it = std::ranges::find(roles, wanted, &Role::id);
    return it == roles.end() ? nullptr : &*it;
}

const Wish* Recipe::wish(std::string_view wanted) const {
    const auto it = std::ranges::find(wishes, wanted, &Wish::id);
    return it == wishes.end() ? nullptr : &*it;
}

Result<Recipe> readRecipe(std::string_view bytes) {
    return readJson<Recipe>(bytes, "lariat-recipe", kRecipeVersion, [](Reader& in) { return RecipeReader().read(in); });
}

std::string writeRecipe(const Recipe& recipe) {
    Json out{{"format", "lariat-recipe"}, {"version", kRecipeVersion}, {"id", recipe.id},
             {"name", recipe.name},       {"group", recipe.group},     {"about", recipe.about}};
    const auto list = [&](const char* key, const auto& parts, auto&& one) {
        if (parts.empty()) return;
        Json all = Json::array();
        for (const auto& part : parts) all.push_back(one(part));
        out[key] = std::move(all);
    };
    list("wishes", recipe.wishes, [](const Wish& wish) {
        Json one{{"id", wish.id},
                 {"name", wish.name},
                 {"kind", kWishKinds[static_cast<std::size_t>(wish.kind)]},
                 {"initial", wish.initial}};
        if (wish.kind == Wish::Kind::Choice) {
            one["choices"] = wish.choices;
        } else {
            one["min"] = wish.min;
            one["max"] = wish.max;
        }
        if (!wish.about.empty()) one["about"] = wish.about;
        return one;
    });
    if (!recipe.let.empty()) out["let"] = recipe.let;
    list("roles", recipe.roles, [](const Role& role) {
        Json one{{"id", role.id}, {"name", role.name}, {"plays", role.plays}};
        if (role.shared) one["shared"] = true;
        if (!role.sample.empty()) one["sample"] = role.sample;
        if (!role.tuning.empty()) one["tuning"] = role.tuning;
        putWhen(one, role);
        return one;
    });
    list("cables", recipe.cables, [](const RecipeCable& cable) {
        Json one{{"from", joinedName(cable.from)}, {"to", joinedName(cable.to)}};
        for (const auto& [key, text] : {std::pair{"step", &cable.step}, {"note", &cable.note}, {"check", &cable.check}})
            if (!text->empty()) one[key] = *text;
        putWhen(one, cable);
        return one;
    });
    list("knobs", recipe.knobs, [](const RecipeKnob& knob) {
        Json one{{"knob", joinedName(knob.at)}, {"to", knob.to}};
        putWhen(one, knob);
        return one;
    });
    list("lines", recipe.lines, [](const RecipeLine& line) {
        Json one{{"role", line.role}, {"steps", line.steps}};
        if (!line.transpose.empty()) one["transpose"] = line.transpose;
        writeStride(one, line.stride);
        if (line.variation > 0) one["variation"] = line.variation;
        putWhen(one, line);
        return one;
    });
    list("played", recipe.played, [](const RecipePlayed& played) {
        Json one{{"role", played.role}};
        writePlayed(one, played.performance);
        if (!played.transpose.empty()) one["transpose"] = played.transpose;
        putWhen(one, played);
        return one;
    });
    list("goals", recipe.goals, [](const RecipeGoal& goal) {
        Json one{{"name", goal.name}, {"measure", goalKindName(goal.kind)}};
        if (!goal.at.role.empty()) one["at"] = joinedName(goal.at);
        one["want"] = goal.want;
        one["within"] = goal.within;
        one["from"] = goal.from;
        one["to"] = goal.to;
        putWhen(one, goal);
        return one;
    });
    list("trims", recipe.trims, [](const RecipeTrim& trim) {
        Json one{{"knob", joinedName(trim.at)}};
        putWhen(one, trim);
        return one;
    });
    if (!recipe.ear.empty()) out["ear"] = recipe.ear;
    if (!recipe.cautions.empty()) out["cautions"] = recipe.cautions;
    putBack(out, recipe.extra);
    return dump(out);
}

Result<double> readWish(const Wish& wish, const std::string& text) {
    if (wish.kind == Wish::Kind::Choice) {
        const auto it = std::ranges::find(wish.choices, text);
        if (it == wish.choices.end())
            return failure(say("{}: \"{}\" is none of {}", wish.name, text, fmt::join(wish.choices, ", ")));
        return static_cast<double>(it - wish.choices.begin());
    }
    double value = 0.0;
    if (wish.kind == Wish::Kind::Note) {
        const auto note = parseNote(text);
        if (!note) return failure(say("{}: \"{}\" is no note such as D1", wish.name, text));
        value = *note;
    } else {
        const Scale scale = wishScale(wish);
        const auto read = scale.parse(text);
        if (!read)
            return failure(say("{}: \"{}\" cannot be read; {} is expected", wish.name, text, scale.expectation()));
        value = *read;
    }
    if (!(value >= wish.min && value <= wish.max)) {
        if (wish.kind == Wish::Kind::Note)
            return failure(say("{}: {} is outside {} to {}", wish.name, text, noteName(static_cast<int>(wish.min)),
                               noteName(static_cast<int>(wish.max))));
        const Scale scale = wishScale(wish);
        return failure(say("{}: {} is outside {} to {}", wish.name, text, scale.text(wish.min), scale.text(wish.max)));
    }
    return value;
}

Result<Values> wishValues(const Recipe& recipe, const Wishes& wishes) {
    for (const auto& [id, text] : wishes)
        if (!recipe.wish(id)) return failure(say("{} has no wish \"{}\"", recipe.name, id));
    Values values{{"tempo", 120.0}};
    for (const Wish& wish : recipe.wishes) {
        const auto given = wishes.find(wish.id);
        auto value = readWish(wish, given == wishes.end() ? wish.initial : given->second);
        if (!value) return tl::unexpected(value.error());
        values[wish.id] = *value;
    }
    values["beat"] = 60.0 / values.at("tempo");
    return evaluateAll(recipe.let, std::move(values));
}

Recipe chosen(Recipe recipe, const Values& values) {
    const std::vector<Wish> wishes = recipe.wishes;
    const auto holds = [&](const auto& part) {
        if (part.when.wish.empty()) return true;
        const auto wish = std::ranges::find(wishes, part.when.wish, &Wish::id);
        const auto value = values.find(part.when.wish);
        return wish != wishes.end() && value != values.end() &&
               wish->choices.at(static_cast<std::size_t>(value->second)) == part.when.is;
    };
    const auto keep = [&](auto& parts) { std::erase_if(parts, [&](const auto& part) { return !holds(part); }); };
    keep(recipe.roles);
    keep(recipe.cables);
    keep(recipe.knobs);
    keep(recipe.lines);
    keep(recipe.played);
    keep(recipe.goals);
    keep(recipe.trims);
    // What belongs to a role that is not there goes with it.
    std::erase_if(recipe.cables, [&](const RecipeCable& cable) {
        return !recipe.role(cable.from.role) || !recipe.role(cable.to.role);
    });
    std::erase_if(recipe.knobs, [&](const RecipeKnob& knob) { return !recipe.role(knob.at.role); });
    std::erase_if(recipe.lines, [&](const RecipeLine& line) { return !recipe.role(line.role); });
    std::erase_if(recipe.played, [&](const RecipePlayed& played) { return !recipe.role(played.role); });
    std::erase_if(recipe.trims, [&](const RecipeTrim& trim) { return !recipe.role(trim.at.role); });
    std::erase_if(recipe.goals,
                  [&](const RecipeGoal& goal) { return !goal.at.role.empty() && !recipe.role(goal.at.role); });
    return recipe;
}

Recipe inWords(Recipe recipe, const std::function<std::string(const std::string&)>& said) {
    const auto say = [&](std::string& text) {
        if (!text.empty()) text = said(text);
    };
    for (Role& role : recipe.roles) say(role.name);
    for (RecipeCable& cable : recipe.cables)
        for (std::string* text : {&cable.step, &cable.note, &cable.check}) say(*text);
    return recipe;
}

const Recipe* RecipeBook::find(std::string_view id) const {
    const auto it = std::ranges::find(recipes, id, &Recipe::id);
    return it == recipes.end() ? nullptr : &*it;
}

RecipeBook loadRecipes(const fs::path& data, const fs::path& own) {
    RecipeBook book;
    for (const fs::path& root : {data, own}) {
        std::error_code problem;
        if (root.empty() || !fs::is_directory(root / "recipes", problem)) continue;
        std::vector<fs::path> files;
        for (const auto& entry : fs::directory_iterator(root / "recipes", problem))
            if (entry.path().extension() == ".json") files.push_back(entry.path());
        std::ranges::sort(files);
        for (const fs::path& file : files) {
            auto recipe = readFile(file).and_then([](const std::string& bytes) { return readRecipe(bytes); });
            if (!recipe) {
                recipe.error().file = file.string();
                book.errors.push_back(std::move(recipe.error()));
                continue;
            }
            std::erase_if(book.recipes, [&](const Recipe& one) { return one.id == recipe->id; });
            book.recipes.push_back(std::move(*recipe));
        }
    }
    // In the order of the work; groups of one's own come last.
    constexpr std::array<std::string_view, 5> kOrder = {"Drums", "Voices", "Textures", "Buses", "Studies"};
    std::ranges::stable_sort(book.recipes, {}, [&](const Recipe& one) {
        return std::pair(std::ranges::find(kOrder, one.group) - kOrder.begin(), one.group);
    });
    return book;
}

} // namespace lariat
