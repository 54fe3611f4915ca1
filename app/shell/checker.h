// Checker: runs the patch silently in the background after every change; reports the findings and the sheet.
#pragma once

#include "findings/finding.h"
#include "sheet/sheet.h"
#include "shell/document.h"

#include <QFutureWatcher>
#include <QObject>
#include <QTimer>

#include <atomic>
#include <memory>
#include <vector>

namespace lariat {

class Checker : public QObject {
    Q_OBJECT

  public:
    explicit Checker(Document& document, QObject* parent = nullptr);
    ~Checker() override;

    [[nodiscard]] const std::vector<Finding>& findings() const { return checked_.findings; }
    /// Those that are kept as they are, with the reasons.
    [[nodiscard]] const std::vector<Dismissed>& dismissed() const { return checked_.dismissed; }
    /// What the patch sheet says; without rows for a patch that has no cable.
    [[nodiscard]] const Sheet& sheet() const { return checked_.sheet; }
    /// Why the last run could not be made; empty if it was.
    [[nodiscard]] const QString& problem() const { return checked_.problem; }
    /// No run is waiting or under way: the findings belong to the patch as it is.
    [[nodiscard]] bool settled() const { return !delay_.isActive() && !watcher_.isRunning(); }

  Q_SIGNALS:
    void findingsChanged(); ///< and the sheet

  private:
    struct Checked {
        std::vector<Finding> findings;
        std::vector<Dismissed> dismissed;
        Sheet sheet;
        QString problem;
    };
    void start();
    void finish();

    Document& document_;
    QTimer delay_;
    QFutureWatcher<Checked> watcher_;
    std::shared_ptr<std::atomic<bool>> cancelled_;
    Checked checked_;
};

} // namespace lariat
