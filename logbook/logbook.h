// The logbook: takes in one SQLite file. Its schema is told in docs/formats.md.
//
// Every take is written in one transaction (write-ahead log), so that a program that dies leaves the log with all takes
// but the one it was writing. Several programs may have it open at once: what another one wrote is seen at the next
// look. One thread uses a Logbook at a time, the one that opened it.
#pragma once

#include "log/query.h"
#include "log/take.h"

#include <filesystem>
#include <memory>

namespace lariat {

inline constexpr int kLogVersion = 2; ///< 2: rounds in which one take was preferred to others

/// One take was preferred to another, not knowing which was which.
struct Round {
    std::int64_t at = 0;
    std::int64_t preferred = 0;
    std::int64_t other = 0;
};

struct LogUsage {
    std::int64_t takes = 0;
    std::int64_t bytes = 0;      ///< of the file
    std::int64_t soundBytes = 0; ///< of the sounds in it
    std::int64_t sounds = 0;
};

class Logbook {
  public:
    /// Opens the file, or begins it. What is not whole is refused and stays as it is, and so is what a newer version
    /// wrote; an older one is copied beside itself, "…-before-2", and brought up to date. Takes that were thrown away
    /// more than a day ago go for good. On a disk that cannot be written it opens for reading.
    static Result<Logbook> open(const std::filesystem::path& file);
    ~Logbook();
    Logbook(Logbook&&) noexcept;
    Logbook& operator=(Logbook&&) noexcept;

    [[nodiscard]] const std::filesystem::path& file() const { return file_; }
    [[nodiscard]] bool readOnly() const { return readOnly_; }

    /// Writes a take; gives its number.
    Result<std::int64_t> add(const NewTake& take, const Library& library);
    /// What is written on it.
    Result<void> label(std::int64_t id, const TakeLabel& label);
    /// Throws it away, or takes it back; what is thrown away is listed no more.
    Result<void> throwAway(std::int64_t id);
    Result<void> takeBack(std::int64_t id);
    Result<void> setSound(std::int64_t id, const std::string& flac, const Figures& figures, const Thumb& thumb);

    /// Newest first, at most so many.
    [[nodiscard]] Result<std::vector<TakeLine>> list(const TakeQuery& query = {}, std::size_t most = 100'000) const;
    [[nodiscard]] Result<Take> take(std::int64_t id) const;
    /// FLAC; empty if it has none.
    [[nodiscard]] Result<std::string> sound(std::int64_t id) const;
    /// The newest take of exactly that patch; 0: none.
    [[nodiscard]] Result<std::int64_t> takeOf(const Patch& patch) const;

    Result<void> addRound(const Round& round);
    [[nodiscard]] Result<std::vector<Round>> rounds(std::int64_t a, std::int64_t b) const;

    /// Lets the sounds of takes before `until` (milliseconds since 1970 UTC) go that are rated below `rating`; gives
    /// how many went. The file gets smaller.
    Result<std::int64_t> thinOut(std::int64_t until, int rating);
    [[nodiscard]] Result<LogUsage> usage() const;
    /// Looks at every page of the file; the first thing that is wrong.
    [[nodiscard]] Result<void> check() const;
    /// Lets the file grow to so many pages of 4 KiB; beyond them the disk counts as full.
    void limitPages(int pages);

  private:
    Logbook(std::filesystem::path file, std::string connection, bool readOnly) noexcept;
    Result<void> prepare();
    Result<void> migrate(int from);
    Result<void> write(std::int64_t id, const TakeLabel& label);
    Result<void> change(const char* text, std::int64_t id);
    [[nodiscard]] tl::unexpected<Error> noTake(std::int64_t id) const;
    void close();

    std::filesystem::path file_;
    std::string connection_; ///< its name among Qt's; empty: moved away
    bool readOnly_ = false;
};

/// The log of the user: log.sqlite in the user's own folder.
std::filesystem::path ownLog();

} // namespace lariat
