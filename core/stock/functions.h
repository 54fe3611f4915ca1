// Functions: what a part of a case can be for, whatever it is called on its panel.
//
// A function speaks the words of a block: a VCA has "in", "lin-cv" and "out". Every block is a function by itself; the
// file data/functions.json adds which others do the same under other words (one channel of a bank of amplifiers), and
// which can stand in for it at a price.
#pragma once

#include "building/capacity.h"

#include <filesystem>
#include <optional>
#include <string>
#include <vector>

namespace lariat {

/// A knob that a word of a function turns, and what it has to stand at.
struct Turn {
    std::string knob; ///< the block's
    std::string is;   ///< an expression of `v`, the function's value; empty: as it is
};

/// A block that does what a function asks for, under words of its own.
struct Provider {
    std::string block;                          ///< BlockType::id
    int channels = 1;                           ///< times that it does so; in words, "{n}" is the channel from 1 on
    bool sameWords = true;                      ///< what is not named below is called what the function calls it
    std::map<std::string, std::string> jacks{}; ///< the function's word → the block's
    std::map<std::string, std::vector<Turn>> knobs{};
    std::map<std::string, std::string> set{}; ///< knobs of the block, and what they have to stand at ("VCA", "100 %")
    bool leadsOut = false;                    ///< its sound goes out through the mixer that it is a channel of
    double price = 0.0;                       ///< in cables: how much worse it is than the thing itself
    Sentence because{};                       ///< what that is, in words

    [[nodiscard]] bool standsIn() const { return price > 0.0; }
};

struct Function {
    std::string id;
    std::string name;
    std::vector<Provider> providers{}; ///< the thing itself first
};

class Functions {
  public:
    /// Reads a "lariat-functions" document.
    static Result<Functions> read(std::string_view bytes);
    static Result<Functions> load(const std::filesystem::path& file);

    /// The function of that id; for a block that the file does not speak of, one with that block alone. nullptr if
    /// there is neither.
    [[nodiscard]] const Function* find(std::string_view id) const;
    /// Those of the file, in the order in which a ledger lists them.
    [[nodiscard]] const std::vector<Function>& all() const { return all_; }

  private:
    std::vector<Function> all_;
    std::vector<Function> blocks_; ///< one of each block
};

/// Where a function is to be had in a case.
struct Seat {
    std::string slot;
    std::string module; ///< ModuleDescription::id
    const PartInfo* part = nullptr;
    int block = 0;   ///< of the part
    int channel = 1; ///< of the block
    const Provider* provider = nullptr;

    /// The block's own jack for a word of the function, whether the panel shows it or not.
    [[nodiscard]] std::optional<BlockPoint> point(const std::string& word, bool output) const;
    /// The jack of the panel; nullptr if it does not show it, or there is none.
    [[nodiscard]] const JackInfo* jack(const std::string& word, bool output) const;
    /// The knobs of the panel that a word turns, each with its expression; empty if one of them is not on the panel.
    [[nodiscard]] std::vector<std::pair<const KnobInfo*, std::string>> knobs(const std::string& word) const;
    /// The knob of the panel for a control of the block.
    [[nodiscard]] const KnobInfo* controlKnob(const std::string& control) const;
    /// Where it is, as one text: slot, part, block, and the channel of those that have several.
    [[nodiscard]] std::string key() const;
    /// The same without the channel.
    [[nodiscard]] std::string blockKey() const;
};

/// Every seat of a function in a case, whoever uses it: what is the thing itself in the order of the slots, then what
/// stands in.
std::vector<Seat> seatsOf(const Function& function, const Library& library, const Case& housing);

/// "{n}" in a provider's word as the channel.
std::string withChannel(std::string word, int channel);

/// The post that stands there, or nullptr.
const Post* postAt(const Patch& patch, const std::string& slot, const std::string& part);
/// Whether a post of the patch uses that seat: it stands there, and of several channels this one has a cable or steps.
bool usesSeat(const Patch& patch, const Seat& seat);
/// Whether steps are written there that no cable takes anywhere yet: somebody's work, if not in use.
bool holdsStepsOnly(const Patch& patch, const Seat& seat);

} // namespace lariat
