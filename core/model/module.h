// A module: what is screwed into a case, described without code.
//
// A module has parts, each of which becomes one post in the chart. A part is made of blocks, wired to each
// other behind the panel, and gives jacks and knobs the words of the hardware's own panel. A part of one
// block that lists no jacks or knobs shows all of the block's under the block's own words.
#pragma once

#include "model/extra.h"
#include "model/result.h"

#include <map>
#include <optional>
#include <string>
#include <vector>

namespace lariat {

/// A block inside a part, with control values that the panel does not show.
struct BlockUse {
    std::string id;
    std::string type;
    std::map<std::string, double> fixed;
};

/// A wire behind the panel; both ends are "block.jack" within the part.
struct InnerWire {
    std::string from;
    std::string to;
};

struct JackDescription {
    std::string id;
    std::string name;
    std::string at; ///< "block.jack"; empty: the block's jack of the same id
};

struct KnobDescription {
    std::string id;
    std::string name;
    std::string at; ///< "block.control"; empty: the block's control of the same id
    std::optional<double> initial;
};

struct PartDescription {
    std::string id;
    std::string name;
    std::vector<BlockUse> blocks;
    std::vector<InnerWire> wires;
    std::vector<JackDescription> jacks;
    /// What feeds an input while nothing is plugged into it: input → "part.jack" of the same module. An
    /// output feeds it directly; an input lends whatever feeds itself.
    std::map<std::string, std::string> normals;
    std::vector<KnobDescription> knobs;
    std::vector<std::string> mainKnobs; ///< ids of up to three knobs drawn at the head of the post
};

/// Currents in mA per supply rail.
struct Current {
    double plus12 = 0.0;
    double minus12 = 0.0;
    double plus5 = 0.0;
};

struct ModuleDescription {
    std::string id;
    std::string name;
    std::string about;
    int hp = 0;
    Current current;
    std::vector<PartDescription> parts;
    Extra extra;
};

inline constexpr int kModuleVersion = 1;

/// Reads a "lariat-module" document. Whether blocks, jacks and knobs exist is the library's business.
Result<ModuleDescription> readModule(std::string_view bytes);

} // namespace lariat
