// A bundle: a patch with everything that it needs elsewhere, or a case with its modules, in one archive (zip).
//
//   bundle.json          what it is; the first entry, not compressed
//   patch.json           the patch, if there is one
//   case.json            its case
//   modules/<id>.json    every module of the case
//   samples/<name>.wav   recordings that the patch plays (or .flac)
//   tunings/<name>.scl   tunings that it keeps to
//   take.json            of a take of the log: what is written on it and was measured of it …
//   take.flac            … and its sound
#pragma once

#include "library/workspace.h"
#include "log/take.h"

#include <filesystem>
#include <map>
#include <optional>
#include <string>

namespace lariat {

struct Bundle {
    std::optional<Patch> patch;
    Case housing;
    std::map<std::string, std::string> modules; ///< by id, as their files are
    std::map<std::string, std::string> samples; ///< by file name
    std::map<std::string, std::string> tunings;
    std::optional<NewTake> take{}; ///< without its patch
    std::string takeNote{};        ///< the same as its document
};

inline constexpr std::size_t kMostBundled = 256u << 20; ///< bytes, unpacked
inline constexpr int kMostEntries = 2000;

/// Gathers a case, and a patch in it, from the folders that the workspace was read from. Fails if a file of a module,
/// recording or tuning is not there any more.
Result<Bundle> gatherBundle(const Case& housing, const std::optional<Patch>& patch, const std::filesystem::path& data,
                            const std::filesystem::path& own);
/// A take of the log, with the case and modules as they were; recordings and tunings are those that are here now.
Result<Bundle> bundleOfTake(const Take& take, std::string sound, const std::filesystem::path& data,
                            const std::filesystem::path& own);
/// Writes it: the old file or the new, never half.
Result<void> writeBundle(const Bundle& bundle, const std::filesystem::path& file);
/// Reads and checks it. Names that lead out of the archive, entries that are no part of a bundle, and anything beyond
/// the limits are refused.
Result<Bundle> readBundle(const std::filesystem::path& file);

/// What came of unpacking.
struct Unpacked {
    std::optional<Patch> patch;       ///< with what had to be named anew
    std::string caseId;               ///< under which the case is found
    std::vector<std::string> written; ///< files
    std::vector<Sentence> renamed;    ///< "skerry-filter is skerry-filter-2 here"
};
/// Puts its case, modules, recordings and tunings into the user's folder. What is there already and the same is left
/// alone; what is there and different keeps its name, and the newcomer gets another one. All or nothing.
Result<Unpacked> unpackBundle(Bundle bundle, const std::filesystem::path& data, const std::filesystem::path& own);

} // namespace lariat
