// Checker: runs the patch silently in the background after every change; reports the findings, and the sheet for who
// asks for it: the pitches that stand on it take as long again as everything else.
#pragma once

#include "findings/finding.h"
#include "sheet/sheet.h"
#include "shell/document.h"
#include "shell/jobs.h"

#include <QObject>
#include <QTimer>

#include <memory>
#include <vector>

namespace lariat {

class Checker : public QObject {
    Q_OBJECT

  public:
    Checker(Document& document, Jobs& jobs, QObject* parent = nullptr);

    [[nodiscard]] const std::vector<Finding>& findings() const { return checked_.findings; }
    /// Those that are kept as they are, with the reasons.
    [[nodiscard]] const std::vector<Dismissed>& dismissed() const { return checked_.dismissed; }
    /// Cures that were not tried, and are not offered, because there were too many.
    [[nodiscard]] int untried() const { return checked_.untried; }
    /// What the patch sheet says; without rows for a patch that has no cable, and if nobody asked for it.
    [[nodiscard]] const Sheet& sheet() const { return checked_.sheet; }
    [[nodiscard]] bool hasSheet() const { return checked_.hasSheet; }
    /// The sheet is there, and is that of the patch as it is.
    [[nodiscard]] bool sheetIsReady() const { return upToDate_ && checked_.hasSheet; }
    /// Works the sheet out, once: findingsChanged tells when it is there.
    void askForSheet();
    /// Works it out after every change as long as somebody looks at it.
    void keepSheet(bool keep);
    /// Why the last run could not be made; empty if it was.
    [[nodiscard]] const QString& problem() const { return checked_.problem; }
    /// No run is waiting or under way: the findings belong to the patch as it is.
    [[nodiscard]] bool settled() const { return !delay_.isActive() && !running(); }
    /// False until a first run has ended: nothing can be said yet.
    [[nodiscard]] bool knows() const { return knows_; }
    /// Findings and sheet are those of the patch as it is. Not so while a run is under way, nor after one was stopped.
    [[nodiscard]] bool upToDate() const { return upToDate_; }
    /// Looks again, as after a run that was stopped.
    void look() { delay_.start(); }

  Q_SIGNALS:
    void findingsChanged(); ///< or the sheet

  private:
    struct Checked {
        std::vector<Finding> findings;
        std::vector<Dismissed> dismissed;
        Sheet sheet;
        bool hasSheet = false;
        QString problem;
        int untried = 0;
    };
    void start();
    void finish(Checked checked);
    [[nodiscard]] bool running() const { return job_ && !job_->ended(); }

    Document& document_;
    Jobs& jobs_;
    QTimer delay_;
    std::shared_ptr<Job> job_;
    Checked checked_;
    bool keepsSheet_ = false;
    bool sheetAsked_ = false;
    bool knows_ = false;
    bool upToDate_ = false;
};

} // namespace lariat
