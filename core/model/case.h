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
    int row = 1;        ///< 1 is the top row
    int column = 1;     ///< first HP that it covers, from the left
};

/// Cables of one length and colour.
struct CableStock {
    int lengthCm = 30;
    std::string colour;
    int count = 0;
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

    /// The slot of that id, or nullptr.
    [[nodiscard]] const Slot* slot(std::string_view id) const;
    /// All cables together.
    [[nodiscard]] int cableCount() const;
};

inline constexpr int kCaseVersion = 1;

/// Reads a "lariat-case" document.
Result<Case> readCase(std::string_view bytes);

} // namespace lariat
