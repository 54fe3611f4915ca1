// Checker: runs the patch silently in the background after every change and reports the findings.
#pragma once

#include "findings/finding.h"
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

    [[nodiscard]] const std::vector<Finding>& findings() const { return findings_; }
    /// No run is waiting or under way: the findings belong to the patch as it is.
    [[nodiscard]] bool settled() const { return !delay_.isActive() && !watcher_.isRunning(); }

  signals:
    void findingsChanged();

  private:
    void start();
    void finish();

    Document& document_;
    QTimer delay_;
    QFutureWatcher<std::vector<Finding>> watcher_;
    std::shared_ptr<std::atomic<bool>> cancelled_;
    std::vector<Finding> findings_;
};

} // namespace lariat
