// Edits: the named changes that a patch can undergo. Each takes a patch and gives a new one.
//
// Undo, the log, autosave and the engine's swap all see the same thing: one patch, then another, and a name
// for what happened between them.
#pragma once

#include "model/patch.h"

#include <string>
#include <variant>
#include <vector>

namespace lariat {

/// If one of its ends was open, with nobody knowing where the cable goes, it is known now.
struct TieCable {
    Cable cable; ///< id 0: a fresh one is given
    int row = 0; ///< 1-based; 0: after the last row
};
struct RemoveCable {
    int id;
};
/// Plugs either end somewhere else.
struct MoveCable {
    int id;
    JackRef from;
    JackRef to;
};
/// The plugs of two cables change places.
struct SwapCables {
    int a;
    int b;
    bool sources = false; ///< at the outputs they leave, instead of the inputs they enter
};
/// Moves a row up or down the build order.
struct ReorderCable {
    int id;
    int row; ///< 1-based
};
/// Puts a cable under another heading.
struct RegroupCable {
    int id;
    std::string voice;
    std::string step;
};
/// What is written down about a cable: a note, and which cable of the bag it is.
struct DescribeCable {
    int id;
    std::string note;
    int lengthCm = 0; ///< 0: not chosen
    std::string colour;
};
/// Puts a knob somewhere; from then on it is known where it stands.
struct SetKnob {
    std::string post;
    std::string knob;
    double value;
};
/// Nobody knows where a knob stands, or only between which values; the value that it has stays as the guess. Nothing:
/// it is known, and stands there.
struct SetUnknown {
    std::string post;
    std::string knob;
    std::optional<Unknown> unknown;
};
/// Notes down a cable of which one end is known; an id of 0: a fresh one is given.
struct AddOpenEnd {
    OpenEnd end;
};
struct RemoveOpenEnd {
    int id;
};
struct AddPost {
    Post post;
};
/// Removes the post with its cables and pattern.
struct RemovePost {
    std::string id;
};
/// Moves a post to another place among the posts.
struct ReorderPost {
    std::string id;
    int place; ///< 0-based
};
struct SetPattern {
    Shared<Pattern> pattern;
};
/// Gives a post what is played on it; one without messages takes it away.
struct SetPerformance {
    Shared<Performance> performance;
};
/// Chooses the recording and the tuning of a post, by name; empty: none.
struct ChooseSources {
    std::string post;
    std::string sample;
    std::string tuning;
};
struct SetTitle {
    std::string title;
};
/// What stands at the head of a patch: its key, as words, and what is to be said of it.
struct DescribePatch {
    std::string key;
    std::string about;
};
/// Names a post anew, puts it under a voice, and writes down what is to be said of it.
struct DescribePost {
    std::string post;
    std::string name;
    std::string voice;
    std::string note;
};
/// Lets another part of the case be this post: one with the same jacks and knobs.
struct SeatPost {
    std::string post;
    std::string slot;
    std::string module;
    std::string part;
};
/// Writes a note on a knob, empty: none; and locks it, so that no edit but this one moves it.
struct DescribeKnob {
    std::string post;
    std::string knob;
    std::string note;
    bool locked = false;
};
/// Gives a heading its colour and folds it or not.
struct StyleHeading {
    Heading heading;
};
/// Gives voice and step of all cables under a heading another name; those of the posts of a voice too.
struct RenameHeading {
    std::string voice;
    std::string step;
    std::string newVoice;
    std::string newStep;
};
/// Moves all rows under a heading before those of the heading above, or behind those of the one below.
struct MoveHeading {
    std::string voice;
    std::string step;
    bool down = false;
};
struct DismissFinding {
    Dismissal dismissal;
};
/// Lets a dismissed finding speak again.
struct RestoreFinding {
    std::string rule;
    int cable = 0;
    std::string post;
};
/// Puts a knob under a controller; the one it had before, and the knob that controller had, are let go.
struct LearnController {
    Controller controller;
};
struct ForgetController {
    std::string post;
    std::string knob;
};
/// Puts aside where the knobs stand; an empty setting: what was put aside under that name goes.
struct KeepSetting {
    std::string name;
    Setting setting;
};
/// All scenes, in their order.
struct SetScenes {
    std::vector<Scene> scenes;
};

/// Puts a question of the Bench onto the sheet, or takes the one that is the same off it.
struct AskOnSheet {
    SheetQuestion question;
    bool on = true;
};

using Edit = std::variant<TieCable, RemoveCable, MoveCable, SwapCables, ReorderCable, RegroupCable, DescribeCable,
                          SetKnob, SetUnknown, AddPost, RemovePost, ReorderPost, SetPattern, SetPerformance,
                          ChooseSources, SetTitle, DescribePatch, DescribePost, SeatPost, DescribeKnob, StyleHeading,
                          RenameHeading, MoveHeading, DismissFinding, RestoreFinding, LearnController, ForgetController,
                          KeepSetting, SetScenes, AskOnSheet, AddOpenEnd, RemoveOpenEnd>;

/// The patch after one edit. Fails if the edit names something that is not there or an input that is taken.
Result<Patch> applyEdit(const Patch& patch, const Edit& edit);
/// The patch after all of them, or the first failure and nothing changed.
Result<Patch> applyEdits(const Patch& patch, const std::vector<Edit>& edits);

} // namespace lariat
