// Takes on their way in and out of a logbook: pages of the diary, bundles.
#pragma once

#include "log/diary.h"
#include "logbook/logbook.h"
#include "stock/bundle.h"

namespace lariat {

/// When the day began that a moment lies in, where the reader is; milliseconds since 1970 UTC.
std::int64_t midnightBefore(std::int64_t at);
/// The takes of the day that began then, oldest first, with what changed since the take each came from.
Result<std::vector<DiaryEntry>> diaryOf(const Logbook& log, std::int64_t midnight, const Library& library,
                                        const Speaker& speak = inEnglish);

/// Writes a take with all it needs as a bundle.
Result<void> exportTake(const Logbook& log, std::int64_t id, const std::filesystem::path& file,
                        const std::filesystem::path& data, const std::filesystem::path& own);
/// Takes in a bundle: its case and modules into the user's own folder, its patch and what is written on it as a take.
struct BroughtIn {
    std::int64_t id = 0;
    Unpacked unpacked;
};
Result<BroughtIn> importTake(Logbook& log, const std::filesystem::path& file, const std::filesystem::path& data,
                             const std::filesystem::path& own);

} // namespace lariat
