// A patch: which parts of which modules are in use, how their knobs stand, which cables were tied in which
// order, and what the sequencers play. A plain value; every change makes a new one (see edit.h).
#pragma once

#include "model/extra.h"
#include "model/pattern.h"
#include "model/performance.h"
#include "model/result.h"
#include "model/scene.h"
#include "model/shared.h"

#include <array>
#include <cstdint>
#include <map>
#include <optional>
#include <set>
#include <string>
#include <string_view>
#include <vector>

namespace lariat {

/// Of a knob of which nobody wrote down where it stands: between which values it is, in its unit, if at least that is
/// known. The value that it has in the patch is a guess then.
struct Unknown {
    std::optional<double> low{};
    std::optional<double> high{};

    bool operator==(const Unknown&) const = default;
};

/// A part of a module in use.
struct Post {
    std::string id;
    std::string name;
    std::string slot;   ///< the module's place in the case
    std::string module; ///< ModuleDescription::id
    std::string part;   ///< PartDescription::id
    std::string voice;
    std::map<std::string, double> knobs; ///< by knob id, in the knob's unit; knobs not named stand at their initial
    Extra extra{};
    std::string sample{}; ///< name of the recording that it plays; may be empty
    std::string tuning{}; ///< name of the Scala tuning that it keeps to; may be empty
    std::string note{};
    std::map<std::string, std::string> knobNotes{}; ///< by knob id
    std::set<std::string> locked{};                 ///< knobs that stay as they are until they are unlocked
    /// Knobs that a file gives in words ("band-pass", "412 Hz", "10:20"), by knob id; checkPatch makes them values.
    std::map<std::string, std::string> spoken{};
    std::map<std::string, Unknown> unknown{}; ///< by knob id

    bool operator==(const Post&) const = default;
};

/// A jack of a post; written "post.jack".
struct JackRef {
    std::string post;
    std::string jack;

    auto operator<=>(const JackRef&) const = default;
    [[nodiscard]] std::string text() const { return post + "." + jack; }
};

struct Cable {
    int id = 0; ///< stays the same when rows are moved
    JackRef from;
    JackRef to;
    std::string voice;
    std::string step;
    std::string note;
    int lengthCm = 0; ///< 0: not chosen yet
    std::string colour;
    Extra extra;

    bool operator==(const Cable&) const = default;
};

/// A cable of which only one end is known.
struct OpenEnd {
    int id = 0;            ///< among the open ends
    JackRef at;            ///< the end that is known
    bool output = false;   ///< it leaves an output there, and nobody knows where it goes
    std::string written{}; ///< what was written down of the other one; may be empty
    std::string voice{};
    std::string step{};
    Extra extra{};

    bool operator==(const OpenEnd&) const = default;
};
inline constexpr std::size_t kMostOpenEnds = 1000;

/// What is remembered about the heading over some rows.
struct Heading {
    std::string voice;
    std::string step;
    std::string colour{}; ///< one of kHeadingColours; empty: none
    bool folded = false;  ///< its rows are hidden
    Extra extra{};

    bool operator==(const Heading&) const = default;
};
inline constexpr std::array<std::string_view, 5> kHeadingColours = {"moss", "slate", "rust", "plum", "sand"};

/// A finding that somebody has looked at and wants to keep as it is.
struct Dismissal {
    std::string rule; ///< Finding::rule
    int cable = 0;    ///< the cable it sits on, or 0 …
    std::string post; ///< … and then the post
    std::string reason;
    Extra extra{};

    bool operator==(const Dismissal&) const = default;
};

/// A knob under the hand of a MIDI controller.
struct Controller {
    int number = 0; ///< 0…127; its 128 steps go over the whole travel of the knob
    std::string post;
    std::string knob;
    Extra extra{};

    bool operator==(const Controller&) const = default;
};

/// A question of the Bench whose answer stands on the sheet.
struct SheetQuestion {
    std::string question;    ///< "same": as the command line calls it
    std::vector<JackRef> of; ///< an empty post: the way out, left ("") or right ("right")
    std::string with{};      ///< words of how it is asked, with blanks between: "lanes real-case"
    Extra extra{};

    bool operator==(const SheetQuestion&) const = default;
};
inline constexpr std::size_t kMostSheetQuestions = 12;

struct Patch {
    std::string title = "Untitled";
    std::string about;
    std::string key;
    std::string caseId;
    std::uint32_t seed = 1; ///< of everything random
    std::vector<Post> posts;
    std::vector<Cable> cables; ///< in build order: row n is cables[n - 1]
    std::vector<Shared<Pattern>> patterns;
    Extra extra{};
    std::vector<Shared<Performance>> performances{};
    std::vector<Heading> headings{}; ///< only those that have a colour or are folded
    std::vector<Dismissal> dismissals{};
    std::vector<Controller> controllers{};
    std::map<std::string, Setting> settings{}; ///< put aside to come back to, by name: "A", "B"
    std::vector<Scene> scenes{};               ///< in the order in which they are played
    std::vector<SheetQuestion> asked{};        ///< for the sheet
    std::vector<OpenEnd> openEnds{};
    /// Keys of settings that this version does not know: by name and post; of the setting itself under "".
    std::map<std::string, std::map<std::string, Extra>> settingExtras{};

    bool operator==(const Patch&) const = default;

    [[nodiscard]] const Post* post(std::string_view id) const;
    [[nodiscard]] const Cable* cable(int id) const;
    /// The cable that is plugged into an input, or nullptr.
    [[nodiscard]] const Cable* cableInto(const JackRef& to) const;
    [[nodiscard]] const Pattern* pattern(std::string_view post) const;
    [[nodiscard]] const Performance* performance(std::string_view post) const;
    /// The same to be held on to; empty if there is none.
    [[nodiscard]] std::shared_ptr<const Pattern> sharedPattern(std::string_view post) const;
    [[nodiscard]] std::shared_ptr<const Performance> sharedPerformance(std::string_view post) const;
    [[nodiscard]] const Heading* heading(std::string_view voice, std::string_view step) const;
    /// 1-based row of a cable id; 0 if there is none.
    [[nodiscard]] int row(int cableId) const;
    /// An id that no cable has.
    [[nodiscard]] int freshCableId() const;
};

/// 2: knobs of which nobody knows where they stand; 3: steps and ends of cables that nobody wrote down
inline constexpr int kPatchVersion = 3;

/// A step or hit that nobody wrote down.
bool hasUnknownSteps(const Pattern& pattern);

/// Reads a "lariat-patch" document. Whether modules, jacks and knobs exist is checked by library/check.h.
Result<Patch> readPatch(std::string_view bytes);
/// Writes what readPatch reads, with a stable key order; as version 1, which older programs read, if nothing is
/// unknown, and as version 2 if only knobs are.
std::string writePatch(const Patch& patch);

} // namespace lariat
