// A take: a patch at some moment, with all that is needed to come back to it and to tell it from others.
#pragma once

#include "log/heard.h"
#include "model/case.h"

#include <cstdint>
#include <map>
#include <string>
#include <vector>

namespace lariat {

struct Workspace;

/// What made it.
/// Caught: a state of a register, at which its patch begins, so that it is heard again exactly.
enum class TakeKind { ByHand, BeforePlan, BeforeReading, BeforeReturn, Recorded, Brought, Caught };
/// "by hand", "before the plan" …
Sentence takeKindText(TakeKind kind);

/// What people write on a take; everything else of it never changes.
struct TakeLabel {
    std::string name{};
    std::string notes{};
    std::vector<std::string> tags{};
    int rating = 0; ///< 0: not rated, 1…5

    bool operator==(const TakeLabel&) const = default;
};

/// The case and its modules as they were, each as its document.
struct Rig {
    std::string housing{};                        ///< empty: the case was not there
    std::map<std::string, std::string> modules{}; ///< of the patch, by id

    bool operator==(const Rig&) const = default;
};
Rig rigOf(const Patch& patch, const Workspace& workspace);
/// As one document, and back.
std::string writeRig(const Rig& rig);
Result<Rig> readRig(std::string_view bytes);
/// What is not as it was: "module skerry-filter is another one now", "the case … is not here"; empty: all is.
std::vector<Sentence> rigChanges(const Rig& was, const Patch& patch, const Workspace& now);

struct NewTake {
    std::int64_t parent = 0; ///< the take it came from; 0: from none
    std::int64_t at = 0;     ///< milliseconds since 1970 UTC
    TakeKind kind = TakeKind::ByHand;
    TakeLabel label{};
    Patch patch{};
    Rig rig{};
    Figures figures{};
    Thumb thumb{};
    std::string sound{}; ///< FLAC; empty: none
};

/// What lists show of a take.
struct TakeLine {
    std::int64_t id = 0;
    std::int64_t parent = 0;
    std::int64_t at = 0;
    TakeKind kind = TakeKind::ByHand;
    TakeLabel label{};
    std::string title{}; ///< of the patch
    Thumb thumb{};
    bool hasSound = false;
};

struct Take : TakeLine {
    Patch patch{};
    Rig rig{};
    Figures figures{};
};

/// A take of a checked patch as it is heard from its start, `kTakeSeconds` of it, with its figures, its picture and, if
/// wanted, its sound. `findings`: how many are open, where that is known.
struct TakeWanted {
    bool sound = true;
    std::optional<int> findings{};
};
Result<NewTake> makeTake(const Patch& patch, const Library& library, Rig rig, const TakeWanted& wanted,
                         const std::function<bool(double)>& progress = {});

/// What is written on a take and was measured of it, as a document beside its patch in a bundle; `readTakeNote` gives a
/// take without patch and sound.
std::string writeTakeNote(const TakeLine& line, const Figures& figures);
Result<NewTake> readTakeNote(std::string_view bytes);

/// "leader a fifth up", or what made it where it has no name.
std::string takeName(const TakeLine& take, const Speaker& speak = inEnglish);

/// Which takes lie beside the main line: 0 on it, 1 for what branched off it, and so on; in the order of `takes`,
/// newest first. The newest child of a take goes on with its line.
std::vector<int> lanesOf(const std::vector<TakeLine>& takes);

/// Everything by which it is found as text: title, posts, modules, sentences of its cables.
std::string searchWords(const Patch& patch, const Library& library);

/// The mix as FLAC, 16 bits at kTakeRate.
Result<std::string> encodeSound(std::span<const float> mix);
/// Interleaved stereo at kTakeRate again.
Result<std::vector<float>> decodeSound(const std::string& flac);

} // namespace lariat
