// A case: the modules, cables and supply that somebody owns.
#pragma once

#include "model/extra.h"
#include "model/module.h"
#include "model/result.h"

#include <string>
#include <vector>

namespace lariat {

/// One module in its place. Two modules of a kind are two slots.
struct Slot {
    std::string id;
    std::string module; ///< ModuleDescription::id
    int row = 1;        ///< 1 is the top row; 0: it lies loose in the bag
    int column = 1;     ///< first HP that it covers, from the left; 0 of a loose one
    std::string from{}; ///< whom or where it is borrowed from; empty: one's own
    std::string since{};
    Extra extra{};

    bool operator==(const Slot&) const = default;
    [[nodiscard]] bool loose() const { return row == 0; }
};

/// Cables of one length and colour.
struct CableStock {
    int lengthCm = 30;
    std::string colour;
    int count = 0;

    bool operator==(const CableStock&) const = default;
};

/// A case that stands in a joined one with its own rows, from the top on, and its own supply.
struct JoinedPart {
    std::string name;
    int rows = 1;
    Current supply;

    bool operator==(const JoinedPart&) const = default;
};

struct Case {
    std::string id;
    std::string name;
    int rows = 1;
    int hpPerRow = 104;
    Current supply;
    std::vector<Slot> slots;
    std::vector<CableStock> cables;
    Extra extra;
    int stackable = 0;                ///< cables whose plugs take another plug; 0: nobody has counted
    std::vector<JoinedPart> joined{}; ///< cases that it was joined from, the uppermost first; their rows are its rows

    bool operator==(const Case&) const = default;

    /// The slot of that id, or nullptr.
    [[nodiscard]] const Slot* slot(std::string_view id) const;
    /// All cables together.
    [[nodiscard]] int cableCount() const;
};

inline constexpr int kCaseVersion = 2; ///< 2: loose and borrowed modules
inline constexpr int kMostRows = 16;
inline constexpr int kMostColumns = 512;
inline constexpr std::size_t kMostSlots = 1000;

/// Reads a "lariat-case" document.
Result<Case> readCase(std::string_view bytes);
/// Writes what readCase reads, with a stable key order.
std::string writeCase(const Case& housing);

} // namespace lariat
