// The modules Lariat knows: descriptions read from folders and resolved against the blocks.
#pragma once

#include "blocks/block.h"
#include "model/case.h"
#include "model/module.h"
#include "model/patch.h"

#include <filesystem>
#include <map>
#include <memory>
#include <string>
#include <vector>

namespace lariat {

/// A block's jack or control within a part.
struct BlockPoint {
    int block = 0; ///< index into PartInfo::blocks
    int index = 0; ///< index into the block type's inputs, outputs or controls
    bool operator==(const BlockPoint&) const = default;
};

/// Where an input's signal comes from while nothing is plugged into it.
struct NormalInfo {
    std::string part;
    std::string jack;
    bool operator==(const NormalInfo&) const = default;
};

/// A switch of the part and where it stands.
struct ModeInfo {
    std::string knob;
    int position = 0;
    bool operator==(const ModeInfo&) const = default;
};

/// Another word or use of a jack or knob, in force while its condition holds.
struct Meaning {
    std::string plugged{};          ///< id of a jack of the part; empty: the switches decide alone
    std::vector<ModeInfo> modes{};  ///< all of them must hold
    std::string name{};             ///< empty: as before
    std::optional<BlockPoint> at{}; ///< of a knob: the control that it sets then …
    Scale scale{};                  ///< … in that control's unit
    bool operator==(const Meaning&) const = default;
};

struct JackInfo {
    std::string id;
    std::string name;
    bool output = false;
    BlockPoint at;
    SignalKind kind = SignalKind::Control;
    float min = -5.0f;
    float max = 5.0f;
    std::string amountKnob; ///< id of the knob that scales this input; may be empty
    std::optional<NormalInfo> normal;
    std::optional<BlockPoint> right{}; ///< of a stereo jack, its other side
    JackScaling scaling{};
    JackElectrics electrics{};
    std::vector<Meaning> meanings{};
    bool operator==(const JackInfo&) const = default;
};

struct KnobInfo {
    std::string id;
    std::string name;
    BlockPoint at;
    Scale scale;
    double initial = 0.0;
    bool momentary = false; ///< a button: pressed in the engine, never in the patch
    std::vector<Meaning> meanings{};
    bool operator==(const KnobInfo&) const = default;
};

struct WireInfo {
    BlockPoint from;
    BlockPoint to;
    bool operator==(const WireInfo&) const = default;
};

struct PartBlock {
    std::string id;
    const BlockType* type = nullptr;
    std::map<int, double> fixed; ///< control index → value
    bool operator==(const PartBlock&) const = default;
};

/// A part with every name looked up.
struct PartInfo {
    std::string id;
    std::string name;
    std::vector<PartBlock> blocks;
    std::vector<WireInfo> wires;
    std::vector<JackInfo> jacks;
    std::vector<KnobInfo> knobs;
    std::vector<std::string> mainKnobs;

    bool operator==(const PartInfo&) const = default;
    [[nodiscard]] const JackInfo* jack(std::string_view id) const;
    [[nodiscard]] const KnobInfo* knob(std::string_view id) const;
    /// True if some block of the part is of that type.
    [[nodiscard]] bool has(std::string_view blockType) const;
    /// The knob that sets this control of the first block of that type, or nullptr.
    [[nodiscard]] const KnobInfo* knobFor(std::string_view blockType, std::string_view control) const;
    /// The jack of this block type's input or output, or nullptr.
    [[nodiscard]] const JackInfo* jackFor(std::string_view blockType, std::string_view jack) const;
};

struct ModuleInfo {
    ModuleDescription description;
    std::vector<PartInfo> parts;
    [[nodiscard]] const PartInfo* part(std::string_view id) const;
};

/// Looks up blocks, jacks, knobs and normals of a description; names the first one that does not exist,
/// stands twice, or goes in a circle.
Result<ModuleInfo> resolveModule(const ModuleDescription& description);

class Library {
  public:
    /// Reads every .wav and .flac of a folder as recordings, and every .scl as tunings, named by their files.
    std::vector<Error> loadSamples(const std::filesystem::path& folder);
    std::vector<Error> loadTunings(const std::filesystem::path& folder);
    /// Reads every .json of a folder, in alphabetical order. Files that cannot be used are reported and the
    /// rest still loads. A module of a name that is there already replaces it.
    std::vector<Error> load(const std::filesystem::path& folder);
    /// Adds one module, or puts it in the place of that of its id.
    void add(ModuleInfo module);
    /// Without the module of that id.
    void remove(std::string_view id);
    /// Has the recordings and tunings of another library as well.
    void borrowMaterial(const Library& other);

    [[nodiscard]] const ModuleInfo* module(std::string_view id) const;
    [[nodiscard]] const PartInfo* part(const Post& post) const;
    [[nodiscard]] const JackInfo* jack(const Patch& patch, const JackRef& ref) const;
    [[nodiscard]] const std::map<std::string, ModuleInfo, std::less<>>& modules() const { return modules_; }
    [[nodiscard]] std::shared_ptr<const Sample> sample(std::string_view name) const;
    [[nodiscard]] std::shared_ptr<const Tuning> tuning(std::string_view name) const;
    [[nodiscard]] const auto& samples() const { return samples_; }
    [[nodiscard]] const auto& tunings() const { return tunings_; }

  private:
    std::map<std::string, ModuleInfo, std::less<>> modules_;
    std::map<std::string, std::shared_ptr<const Sample>, std::less<>> samples_;
    std::map<std::string, std::shared_ptr<const Tuning>, std::less<>> tunings_;
};

/// Where a post's knob stands: its value in the patch, else its initial one.
double knobValue(const Post& post, const KnobInfo& knob);
/// The clock's knob that the tempo of a patch comes from; nullptr if no post has one.
struct TempoHome {
    const Post* post = nullptr;
    const KnobInfo* knob = nullptr;
};
TempoHome tempoHome(const Patch& patch, const Library& library);
/// The tempo of the first clock of a patch, in beats per minute; 0 if it has none.
double tempoOf(const Patch& patch, const Library& library);
/// The jack's kind as a word.
const char* kindName(SignalKind kind);

} // namespace lariat
