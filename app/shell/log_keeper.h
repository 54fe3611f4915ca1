// The log keeper: takes of the open patch, written into the user's log while everything goes on.
#pragma once

#include "logbook/logbook.h"
#include "shell/checker.h"
#include "shell/document.h"
#include "shell/jobs.h"

#include <QObject>
#include <QTimer>

#include <memory>
#include <optional>
#include <vector>

namespace lariat {

class LogKeeper : public QObject {
    Q_OBJECT

  public:
    LogKeeper(Document& document, Jobs& jobs, Checker& checker, QObject* parent = nullptr);

    /// The log, opened when it is first wanted; nullptr, with `problem` telling why, if it cannot be. What was refused
    /// is tried again by `tryAgain`.
    Logbook* book();
    [[nodiscard]] const QString& problem() const { return problem_; }
    void tryAgain();

    /// Keeps the patch as it is, at once; what it sounds like follows as soon as it was run silently. `kept` tells its
    /// number.
    void keep(TakeKind kind = TakeKind::ByHand, const TakeLabel& label = {});
    /// The same before something changes the patch at a stroke, unless it is kept already.
    void keepBefore(TakeKind kind);
    /// A state of a register that was caught, by the patch that begins at it.
    void keepCaught(const Patch& patch, const std::string& name);
    /// What was recorded of it becomes the sound of a take.
    void keepRecording(const QString& file);
    /// Sounds of takes are being made.
    [[nodiscard]] bool keeping() const;

    /// The take that the patch came from; 0: none.
    [[nodiscard]] std::int64_t current() const { return current_; }
    /// The patch as it is, is in the log.
    [[nodiscard]] bool isKept();
    /// The patch becomes that take, as one step of the history; what was not kept is kept before. False if it cannot
    /// be.
    bool goBackTo(std::int64_t id);

    /// Tells everyone who shows takes that some are others now.
    void touch() { Q_EMIT changed(); }

  Q_SIGNALS:
    void changed(); ///< takes, what is written on them, or where the patch stands among them
    void kept(std::int64_t id);
    void message(const QString& text, bool refusal);

  private:
    void keepPatch(const Patch& patch, TakeKind kind, const TakeLabel& label);
    std::int64_t write(const NewTake& take);
    void look();

    Document& document_;
    Jobs& jobs_;
    Checker& checker_;
    std::optional<Logbook> book_;
    QString problem_;
    bool tried_ = false;
    std::vector<std::shared_ptr<Job>> keeping_;
    std::int64_t current_ = 0;
    std::optional<bool> isKept_;
    QTimer wait_; ///< until knobs stand still
};

} // namespace lariat
