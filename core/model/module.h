// A module: what is screwed into a case, described without code.
//
// A module has parts, each of which becomes one post in the chart. A part is made of blocks, wired to each
// other behind the panel, and gives jacks and knobs the words of the hardware's own panel. A part of one
// block that lists no jacks or knobs shows all of the block's under the block's own words.
#pragma once

#include "model/extra.h"
#include "model/result.h"
#include "units/calibration.h"

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
    bool operator==(const BlockUse&) const = default;
};

/// A wire behind the panel; both ends are "block.jack" within the part.
struct InnerWire {
    std::string from;
    std::string to;
    bool operator==(const InnerWire&) const = default;
};

/// A switch of the part and the word that it stands at.
struct ModeDescription {
    std::string knob;
    std::string position;
    bool operator==(const ModeDescription&) const = default;
};

/// Another word, or another use, that a jack or knob takes on while a plug is in and switches stand somewhere.
struct MeaningDescription {
    std::string plugged{};                ///< a jack of the part; empty: the switches decide alone
    std::vector<ModeDescription> modes{}; ///< all of them
    std::string name;
    std::string at; ///< of a knob: the control that it sets then; empty: the same
    bool operator==(const MeaningDescription&) const = default;
};

/// How an output's or input's voltage relates to its block's.
struct JackScaling {
    double gain = 1.0;         ///< volts at the jack per volt of the block (of an input: the other way round)
    double offset = 0.0;       ///< volts added behind the gain
    bool hertzPerVolt = false; ///< pitch by the second school: 1 V is C0, 2 V is C1, 4 V is C2 …
    bool operator==(const JackScaling&) const = default;
};

/// What the metal of a jack adds in the real case.
struct JackElectrics {
    double kiloohms = 0.0;  ///< 0: 1 of an output, 100 of an input
    double threshold = 0.0; ///< volts that a gate input needs; 0: the usual 2
    double shortest = 0.0;  ///< seconds that a pulse must last to be seen
    bool operator==(const JackElectrics&) const = default;
};

struct JackDescription {
    std::string id;
    std::string name;
    std::string at;      ///< "block.jack"; empty: the block's jack of the same id
    std::string right{}; ///< of a stereo jack, its other side
    std::optional<double> min{};
    std::optional<double> max{};
    JackScaling scaling{};
    JackElectrics electrics{};
    std::vector<MeaningDescription> meanings{};
    bool operator==(const JackDescription&) const = default;
};

struct KnobDescription {
    std::string id;
    std::string name;
    std::string at; ///< "block.control"; empty: the block's control of the same id
    std::optional<double> initial;
    std::optional<double> min{};
    std::optional<double> max{};
    std::vector<MeaningDescription> meanings{};
    std::optional<Taper> taper{}; ///< another one than the control's own
    Calibration calibration{};    ///< what was read off the metal; no readings: nothing was
    bool operator==(const KnobDescription&) const = default;
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
    bool showsAll = false; ///< of one block: what it does not name stands on the panel under the block's own words
    double outputKiloohms = 0.0;        ///< of outputs that say nothing else; 0: 1
    std::vector<std::string> mainKnobs; ///< ids of up to three knobs drawn at the head of the post
    bool operator==(const PartDescription&) const = default;
};

/// Currents in mA per supply rail.
struct Current {
    double plus12 = 0.0;
    double minus12 = 0.0;
    double plus5 = 0.0;

    bool operator==(const Current&) const = default;
};

struct ModuleDescription {
    std::string id;
    std::string name;
    std::string about;
    int hp = 0;
    Current current;
    double noiseMicrovolts = 60.0; ///< RMS at each output, in the real case
    std::vector<PartDescription> parts;
    Extra extra;
    bool operator==(const ModuleDescription&) const = default;
};

inline constexpr int kModuleVersion = 1;

/// Reads a "lariat-module" document. Whether blocks, jacks and knobs exist is the library's business.
Result<ModuleDescription> readModule(std::string_view bytes);
/// Writes what readModule reads, with a stable key order.
std::string writeModule(const ModuleDescription& module);

} // namespace lariat
