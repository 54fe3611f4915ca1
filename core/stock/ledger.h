// The ledger: what a case can do, part by part, what of it is in use by whom, and what is left.
#pragma once

#include "stock/functions.h"

namespace lariat {

struct LedgerCell {
    Seat seat;
    std::string name; ///< "Ballast VCAs: VCA 2"
    bool used = false;
    std::string post{};      ///< that uses it
    std::string voice{};     ///< of that post, or of its cables; else the post's name
    std::vector<int> rows{}; ///< of the chart, 1-based, of cables at it
};

struct LedgerLine {
    const Function* function = nullptr;
    std::vector<LedgerCell> cells;    ///< that do it, in the order of the slots
    std::vector<LedgerCell> standIns; ///< that could, and are free
    [[nodiscard]] int used() const;
    [[nodiscard]] int free() const { return static_cast<int>(cells.size()) - used(); }
};

/// Cables of one length and colour.
struct CableLine {
    CableStock stock;
    int used = 0; ///< by rows that say which cable they are
};

/// A supply rail, in mA.
struct RailLine {
    std::string name;
    double load = 0.0;
    double there = 0.0;
    std::string of{}; ///< of a joined case, the part that it supplies
    [[nodiscard]] double atSwitchOn() const;
};
/// Modules draw more while their capacitors fill: as much more as a careful builder reckons with.
inline constexpr double kSwitchOn = 1.4;

struct Ledger {
    std::vector<LedgerLine> lines; ///< those of data/functions.json first, then blocks of the case it does not speak of
    std::vector<CableLine> cables; ///< shortest first
    int cablesOwned = 0;
    int cablesUsed = 0;
    int stacked = 0;   ///< plugs that stand on another plug
    int stackable = 0; ///< cables that take one; 0: nobody has counted
    std::vector<RailLine> rails;
    std::vector<int> freeColumns;      ///< HP that are free, row by row
    std::vector<const Slot*> borrowed; ///< of the case, to go back
    std::vector<const Slot*> loose;
    int parts = 0;
    int partsUsed = 0;
};

/// The case must outlive the ledger.
Ledger ledgerOf(const Patch& patch, const Library& library, const Functions& functions, const Case& housing);

} // namespace lariat
