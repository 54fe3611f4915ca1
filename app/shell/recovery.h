// Recovery: unsaved work, kept in a file of its own until it is saved, and found again after a crash.
//
// Each document holds a lock on its file's companion. The system lets go of it when the program ends, however it ends,
// so that neither a process id that is used again nor a sandbox hides what was left behind. The companion holds the
// name of the file that the work belongs to.
#pragma once

#include "model/result.h"

#include <QDateTime>
#include <QString>

#include <string_view>
#include <vector>

namespace lariat {

/// Work that some other run has left behind.
struct LeftBehind {
    QString kept; ///< the file that holds it
    QString file; ///< what it was called; empty if it was never saved
    QString title;
    QDateTime when;
};

class Recovery {
  public:
    explicit Recovery(const QString& folder);
    ~Recovery();
    Recovery(const Recovery&) = delete;
    Recovery& operator=(const Recovery&) = delete;

    /// Keeps the patch as it is now; `file` is what it is called, or empty.
    Result<void> keep(std::string_view patch, const QString& file);
    /// It was saved, or is not wanted: nothing of it is left.
    void drop();

    /// All that nobody holds any more, newest first.
    [[nodiscard]] static std::vector<LeftBehind> leftBehind(const QString& folder);
    static void throwAway(const LeftBehind& left);

  private:
    QString kept_;
    QString companion_;
    int lock_ = -1;
};

} // namespace lariat
