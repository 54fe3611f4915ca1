// plan, find: how something is built in a case, and where knobs have to stand.
#include "cli/commands.h"
#include "library/check.h"
#include "library/words.h"
#include "model/file.h"
#include "plan/free_wish.h"
#include "plan/keep.h"
#include "plan/seek.h"

#include <iostream>

#include <CLI/CLI.hpp>
#include <fmt/format.h>

namespace lariat::cli {
namespace {

RecipeBook recipesOf(const Context& context) {
    RecipeBook book = loadRecipes(context.data.empty() ? dataFolder() : context.data, ownDataFolder());
    for (const Error& error : book.errors) std::cerr << "lariat-cli: " << error.text() << '\n';
    return book;
}

/// "note=D1" as a wish.
Wishes readWishes(const std::vector<std::string>& texts) {
    Wishes out;
    for (const std::string& text : texts) {
        const auto at = text.find('=');
        if (at == std::string::npos) refuse(fmt::format("\"{}\" is not written wish=value", text));
        out[text.substr(0, at)] = text.substr(at + 1);
    }
    return out;
}

std::string seatName(const Seat& seat, const Library& library) {
    const ModuleInfo& module = *library.module(seat.module);
    std::string name = module.description.name;
    if (module.parts.size() > 1) name += ": " + seat.part->name;
    if (seat.provider->channels > 1) name += fmt::format(", channel {}", seat.channel);
    return name;
}

Json goalsJson(const std::vector<GoalReading>& goals) {
    Json out = Json::array();
    for (const GoalReading& goal : goals)
        out.push_back({{"goal", goal.goal.name},
                       {"measured", goal.measured ? Json(*goal.measured) : Json(nullptr)},
                       {"text", goal.text()},
                       {"wanted", goal.wanted()},
                       {"met", goal.met()}});
    return out;
}

void printGoals(const std::vector<GoalReading>& goals) {
    for (const GoalReading& goal : goals)
        fmt::print("  {} {}: {} (wanted {})\n", goal.met() ? "holds" : "FAILS", goal.goal.name, goal.text(),
                   goal.wanted());
}

Json foundJson(const Sought& sought, const Patch& patch, const Library& library) {
    Json knobs = Json::array();
    for (const std::size_t i : sought.bySensitivity()) {
        const FoundKnob& one = sought.knobs[i];
        const Scale& scale = library.part(*patch.post(one.post))->knob(one.knob)->scale;
        knobs.push_back({{"post", one.post},
                         {"knob", one.knob},
                         {"value", one.value},
                         {"text", scale.text(one.value)},
                         {"clock", clockHand(scale.toFraction(one.value))},
                         {"from", one.low},
                         {"to", one.high}});
    }
    return {{"met", sought.met}, {"runs", sought.runs}, {"goals", goalsJson(sought.goals)}, {"knobs", knobs}};
}

void printFound(const Sought& sought, const Patch& patch, const Library& library) {
    fmt::print("{} after {} silent runs\n",
               sought.wasThere ? "all goals held already"
               : sought.met    ? "all goals hold"
                               : "not all goals can be met with these knobs; the nearest that was found",
               sought.runs);
    printGoals(sought.goals);
    for (const std::size_t i : sought.bySensitivity()) {
        const FoundKnob& one = sought.knobs[i];
        const Post& post = *patch.post(one.post);
        const KnobInfo& knob = *library.part(post)->knob(one.knob);
        const auto clock = [&](double value) { return clockHand(knob.scale.toFraction(value)); };
        fmt::print("  {} {}: {} · {}", post.name, knob.name, knob.scale.text(one.value), clock(one.value));
        if (sought.met)
            fmt::print(", holds from {} to {} ({} … {})", clock(one.low), clock(one.high), knob.scale.text(one.low),
                       knob.scale.text(one.high));
        fmt::print("\n");
    }
}

void addList(CLI::App& plan, Context& context) {
    auto* command = plan.add_subcommand("list", "Every recipe, with its wishes");
    giveExamples(*command, "  lariat-cli plan list\n  lariat-cli plan list --json");
    command->callback([&context] {
        Json all = Json::array();
        std::string group;
        for (const Recipe& recipe : recipesOf(context).recipes) {
            Json wishes = Json::array();
            std::string text;
            for (const Wish& wish : recipe.wishes) {
                wishes.push_back({{"id", wish.id}, {"name", wish.name}, {"initial", wish.initial}});
                text += fmt::format("  {}={}", wish.id, wish.initial);
            }
            all.push_back({{"id", recipe.id}, {"name", recipe.name}, {"group", recipe.group}, {"wishes", wishes}});
            if (context.json) continue;
            if (recipe.group != group) fmt::print("{}\n", group = recipe.group);
            fmt::print("  {:<22} {}{}\n", recipe.id, recipe.name, text);
        }
        if (context.json) std::cout << dump(all);
    });
}

Json planJson(const Plan& plan, const Planned& planned, const Library& library) {
    Json roles = Json::array();
    for (const Casting& cast : plan.allotment.castings)
        roles.push_back({{"role", cast.role},
                         {"plays", planned.recipe.role(cast.role)->plays},
                         {"slot", cast.seat->slot},
                         {"part", cast.seat->part->id},
                         {"name", seatName(*cast.seat, library)},
                         {"stands-in", cast.seat->provider->standsIn()},
                         {"price", cast.seat->provider->because.str()}});
    Json cables = Json::array();
    for (const PlannedCable& cable : plan.cables)
        cables.push_back({{"from", cable.from.text()},
                          {"to", cable.to.text()},
                          {"length", cable.taken.lengthCm},
                          {"colour", cable.taken.colour}});
    Json remarks = Json::array();
    for (const Sentence& remark : plan.remarks) remarks.push_back(remark.str());
    return {{"voice", plan.voice},
            {"roles", roles},
            {"cables", cables},
            {"tied", plan.tied},
            {"taken-out", plan.taken},
            {"stays", plan.stays},
            {"proven", plan.allotment.proven},
            {"remarks", remarks}};
}

void printPlan(const Plan& plan, const Planned& planned, const Library& library) {
    for (const Casting& cast : plan.allotment.castings) {
        const Role& role = *planned.recipe.role(cast.role);
        fmt::print("  {:<22} {}{}\n", role.name, seatName(*cast.seat, library),
                   cast.seat->provider->standsIn() ? "  stands in: " + cast.seat->provider->because.str() : "");
    }
    fmt::print("  {} cables to tie", plan.tied);
    if (plan.taken > 0) fmt::print(", {} to take out", plan.taken);
    if (plan.stays > 0) fmt::print(", {} stay", plan.stays);
    fmt::print("{}\n", plan.allotment.proven ? ""
                                             : fmt::format("; best so far, cost {:.1f}, bound {:.1f}",
                                                           plan.allotment.cost, plan.allotment.bound));
    for (const Sentence& remark : plan.remarks) fmt::print("  note: {}\n", remark.str());
}

void printShortage(const Shortage& shortage, const Recipe& recipe) {
    for (const ShortFunction& one : shortage.functions) {
        fmt::print("  short: {} wanted {}, in this case {}\n", one.function, one.needs, one.there);
        for (const std::string& used : one.usedBy) fmt::print("    in use: {}\n", used);
        for (const std::string& other : one.standIns) fmt::print("    could stand in: {}\n", other);
    }
    for (const std::string& role : shortage.roles) fmt::print("  nobody plays \"{}\"\n", recipe.role(role)->name);
    if (!shortage.ways.empty()) fmt::print("  ways round, the fewest moves first:\n");
    for (std::size_t i = 0; i < shortage.ways.size(); ++i) {
        const WayRound& way = shortage.ways[i];
        fmt::print("    {}: {}{}\n", i + 1, way.what.str(),
                   way.plan ? fmt::format(" ({} cables move)", way.moves) : std::string());
    }
}

Json shortageJson(const Shortage& shortage) {
    Json functions = Json::array();
    for (const ShortFunction& one : shortage.functions)
        functions.push_back({{"function", one.function},
                             {"needs", one.needs},
                             {"there", one.there},
                             {"in-use", one.usedBy},
                             {"could-stand-in", one.standIns}});
    Json ways = Json::array();
    for (const WayRound& way : shortage.ways)
        ways.push_back({{"what", way.what.str()}, {"moves", way.moves}, {"planned", way.plan.has_value()}});
    return {{"functions", functions}, {"roles", shortage.roles}, {"ways", ways}};
}

void addMake(CLI::App& plan, Context& context) {
    struct Options {
        std::string recipe, want;
        std::filesystem::path file, patch, out;
        std::string housing, voice, instead, counts = "cables";
        std::vector<std::string> wishes;
        bool noStandIns = false, find = false, measure = false;
        int which = 1, way = 0;
    };
    auto options = std::make_shared<Options>();
    auto* command = plan.add_subcommand("make", "Plan a recipe on a case, and write the patch that comes of it");
    giveExamples(*command,
                 "  lariat-cli plan make kick-two-contours --case keepers-case --wish note=D1 --out kick.json\n"
                 "  lariat-cli plan make kick-two-contours --patch data/demo/lamp.json\n"
                 "  lariat-cli plan make --want \"2 vco, filter, 2 vca, contour for both, lfo slow to pwm\"\n"
                 "  lariat-cli plan make sync-lead --case tower-case --find --json");
    command->add_option("recipe", options->recipe, "Id of a recipe (see plan list), or a recipe file");
    command->add_option("--want", options->want, "Instead of a recipe: what is wanted, in a few words");
    command->add_option("--case", options->housing, "Case to plan on, if there is no patch");
    command->add_option("--patch", options->patch, "Patch to build it into");
    command->add_option("--wish", options->wishes, "wish=value, once for each");
    command->add_option("--voice", options->voice, "Name of what is built");
    command->add_option("--instead", options->instead, "Voice of the patch that it replaces");
    command->add_option("--counts", options->counts, "What is kept small")
        ->check(CLI::IsMember({"cables", "modules", "moves", "rows"}));
    command->add_flag("--no-stand-ins", options->noStandIns, "Only the things themselves");
    command->add_option("--plan", options->which, "Which of the plans, from 1")->check(CLI::Range(1, 3));
    command->add_option("--way", options->way, "If it is short: which of the ways round, from 1");
    command->add_flag("--measure", options->measure, "Measure the goals of the plan");
    command->add_flag("--find", options->find, "Turn knobs until the goals hold");
    command->add_option("--out", options->out, "Write the patch here")->check(notEmpty);
    command->callback([options, &context] {
        const Workspace workspace = context.workspace();
        const Functions functions = context.functions();
        RecipeBook book;
        const Recipe* recipe = nullptr;
        if (options->recipe.empty() == options->want.empty())
            refuse("name a recipe, or say what is wanted with --want");
        if (!options->want.empty()) {
            book.recipes.push_back(need(recipeFromWish(options->want, functions)));
            recipe = &book.recipes.front();
        } else if (options->recipe.ends_with(".json")) {
            auto read = readFile(options->recipe).and_then([](const std::string& bytes) { return readRecipe(bytes); });
            if (!read) {
                read.error().file = options->recipe;
                throw Failed{read.error()};
            }
            book.recipes.push_back(std::move(*read));
            recipe = &book.recipes.front();
        } else {
            book = recipesOf(context);
            recipe = book.find(options->recipe);
        }
        if (!recipe) refuse(fmt::format("there is no recipe \"{}\"; plan list names them", options->recipe));
        Site site{&workspace.library, &functions, nullptr, {}};
        if (!options->patch.empty())
            site.present = need(openPatch(options->patch, workspace.library));
        else
            site.present.caseId = options->housing.empty() && !workspace.cases.empty() ? workspace.cases.begin()->first
                                                                                       : options->housing;
        site.housing = workspace.housing(site.present);
        if (!site.housing) refuse(fmt::format("there is no case \"{}\"", site.present.caseId));
        if (options->patch.empty()) site.present.title = recipe->name;
        PlanAsk ask{recipe, readWishes(options->wishes), {}, options->voice};
        const std::map<std::string, Counts> counts = {
            {"cables", Counts::Cables}, {"modules", Counts::Modules}, {"moves", Counts::Moves}, {"rows", Counts::Rows}};
        ask.allot.counts = counts.at(options->counts);
        ask.allot.instead = options->instead;
        ask.allot.standIns = !options->noStandIns;
        const Planned planned = need(planRecipe(ask, site));
        const Plan* chosenPlan = nullptr;
        Json out{{"recipe", recipe->id}, {"case", site.housing->id}};
        if (planned.shortage) {
            out["shortage"] = shortageJson(*planned.shortage);
            if (!context.json) {
                fmt::print("{} cannot be built on {} as it is:\n", recipe->name, site.housing->name);
                printShortage(*planned.shortage, planned.recipe);
            }
            if (options->way > 0) {
                if (options->way > static_cast<int>(planned.shortage->ways.size()))
                    refuse(fmt::format("there are {} ways round", planned.shortage->ways.size()));
                const WayRound& way = planned.shortage->ways[static_cast<std::size_t>(options->way - 1)];
                if (!way.plan) refuse("that way takes more than cables: there is nothing to plan yet");
                chosenPlan = &*way.plan;
            } else {
                context.exitCode = 1;
            }
        } else {
            if (options->which > static_cast<int>(planned.plans.size()))
                refuse(fmt::format("there are {} plans", planned.plans.size()));
            chosenPlan = &planned.plans[static_cast<std::size_t>(options->which - 1)];
        }
        if (chosenPlan) {
            Plan made = *chosenPlan;
            if (!context.json) {
                fmt::print("{} on {} ({} plans):\n", recipe->name, site.housing->name, planned.plans.size());
                printPlan(made, planned, workspace.library);
            }
            out["plan"] = planJson(made, planned, workspace.library);
            out["plans"] = planned.plans.size();
            const auto goals = need(goalsOf(planned, made));
            if (options->find && !goals.empty()) {
                const Sought sought = need(seek(made.after, workspace.library, goals, trimsOf(planned, made)));
                made.after = need(applyEdits(made.after, sought.edits));
                out["found"] = foundJson(sought, made.after, workspace.library);
                if (!context.json) printFound(sought, made.after, workspace.library);
                if (!sought.met) context.exitCode = 1;
            } else if (options->measure && !goals.empty()) {
                const auto readings = need(measureGoals(made.after, workspace.library, goals));
                out["goals"] = goalsJson(readings);
                if (!context.json) printGoals(readings);
                if (!std::ranges::all_of(readings, &GoalReading::met)) context.exitCode = 1;
            }
            if (!options->out.empty()) {
                need(writeFile(options->out, writePatch(made.after), FileKind::Patch));
                if (!context.json) fmt::print("the patch is in {}\n", options->out.string());
            }
        }
        if (context.json) std::cout << dump(out);
    });
}

void addKeep(CLI::App& plan, Context& context) {
    struct Options {
        std::filesystem::path file, out;
        std::string voice, name, group = "Yours";
        std::vector<std::string> vary;
    };
    auto options = std::make_shared<Options>();
    auto* command = plan.add_subcommand("keep", "Keep a patch, or a voice of it, as a recipe");
    giveExamples(
        *command,
        "  lariat-cli plan keep data/demo/kick.json --voice \"Kick A\" --name \"My kick\" --out kick-recipe.json");
    command->add_option("patch", options->file, "Patch file")->required();
    command->add_option("--voice", options->voice, "Voice; without it, the whole patch");
    command->add_option("--name", options->name, "Name of the recipe")->required();
    command->add_option("--group", options->group, "Where it is listed");
    command->add_option("--vary", options->vary, "post.knob that is wished each time, once for each");
    command->add_option("--out", options->out, "Write it here; else to the terminal")->check(notEmpty);
    command->callback([options, &context] {
        const Workspace workspace = context.workspace();
        const Patch patch = need(openPatch(options->file, workspace.library));
        KeepAsk ask{options->voice, idFrom(options->name), options->name, options->group, {}};
        for (const std::string& knob : options->vary) {
            const JackRef ref = readJack(knob); // written like a jack
            ask.vary.emplace(ref.post, ref.jack);
        }
        const Recipe recipe = need(keepAsRecipe(patch, workspace.library, context.functions(), ask));
        const std::string text = writeRecipe(recipe);
        need(readRecipe(text)); // what is kept can be read again
        if (options->out.empty())
            std::cout << text;
        else
            need(writeFile(options->out, text, FileKind::Document));
    });
}

} // namespace

void addPlan(CLI::App& app, Context& context) {
    auto* plan = app.add_subcommand("plan", "How something is built in a case: list, make, keep");
    plan->require_subcommand(1);
    for (auto* add : {addList, addMake, addKeep}) add(*plan, context);
}

void addFind(CLI::App& app, Context& context) {
    struct Options : Destination {
        std::vector<std::string> knobs;
        std::vector<std::string> goals;
        std::string at;
        double from = 0.0, to = 2.0;
    };
    auto options = std::make_shared<Options>();
    auto* command = app.add_subcommand("find", "Turn knobs until measured goals hold");
    giveExamples(
        *command,
        "  lariat-cli find kick.json --knob tone.fine --at vca.out --goal \"pitch D1 5 cents\" --from 0.2 --to 0.5\n"
        "  lariat-cli find data/demo/lamp.json --knob filter.cutoff --at vca.out --goal \"brightness 600 Hz 3 %\"");
    command->add_option("patch", options->file, "Patch file")->required();
    options->addOptions(*command);
    command->add_option("--knob", options->knobs, "post.knob, once for each")->required();
    command->add_option("--goal", options->goals, "What is measured, wanted, and how far off is still good")
        ->required();
    command->add_option("--at", options->at, "Output that is measured; else what is heard at the left");
    command->add_option("--from", options->from, "Seconds at which the window begins")->check(CLI::Range(0.0, 60.0));
    command->add_option("--to", options->to, "… and ends")->check(CLI::Range(0.01, 60.0));
    command->callback([options, &context] {
        const Workspace workspace = context.workspace();
        const Patch patch = need(openPatch(options->file, workspace.library));
        std::vector<SeekKnob> knobs;
        for (const std::string& text : options->knobs) {
            const JackRef ref = readJack(text);
            knobs.push_back({ref.post, ref.jack});
        }
        std::vector<Goal> goals;
        for (const std::string& text : options->goals) {
            const auto a = text.find(' ');
            const auto b = a == std::string::npos ? a : text.find(' ', a + 1);
            // A value and its unit may stand apart: the tolerance begins at the next figure.
            auto c = b;
            while (c != std::string::npos && c + 1 < text.size() &&
                   std::isdigit(static_cast<unsigned char>(text[c + 1])) == 0)
                c = text.find(' ', c + 1);
            if (c == std::string::npos) refuse(fmt::format("\"{}\" is not written as \"pitch D1 5 cents\"", text));
            Goal goal;
            goal.name = text.substr(0, a);
            goal.kind = need(readGoalKind(goal.name));
            goal.want = need(readGoalValue(goal.kind, text.substr(a + 1, c - a - 1)));
            goal.within = need(readGoalTolerance(goal.kind, goal.want, text.substr(c + 1)));
            if (!options->at.empty()) goal.at = readJack(options->at);
            goal.from = options->from;
            goal.to = options->to;
            if (goal.to <= goal.from) refuse("the window ends before it begins");
            goals.push_back(std::move(goal));
        }
        const Sought sought = need(seek(patch, workspace.library, goals, knobs));
        if (context.json)
            std::cout << dump(foundJson(sought, patch, workspace.library));
        else
            printFound(sought, patch, workspace.library);
        if (!options->out.empty() || options->inPlace) options->write(need(applyEdits(patch, sought.edits)));
        context.exitCode = sought.met ? 0 : 1;
    });
}

} // namespace lariat::cli
