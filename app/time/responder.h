// Responder: runs the sequencers of the patch silently in the background after every change, while somebody looks, and
// tells what their steps cause and at which tempos that changes.
#pragma once

#include "shell/session.h"
#include "timing/clocks.h"
#include "timing/forecast.h"

#include <QObject>
#include <QTimer>

#include <functional>
#include <map>
#include <memory>
#include <set>
#include <string>
#include <vector>

namespace lariat {

class Responder : public QObject {
    Q_OBJECT

  public:
    /// `variation` tells which variation of a post is looked at.
    Responder(const Session& session, std::function<int(const std::string&)> variation, QObject* parent = nullptr);

    /// Nothing is run while nobody looks.
    void setActive(bool active);
    /// What is known of a sequencer; nullptr until it was run. It may be that of the patch as it was a moment ago.
    [[nodiscard]] const Responses* of(const std::string& post) const;
    /// Why it could not be run; empty if it was.
    [[nodiscard]] QString problem(const std::string& post) const;
    [[nodiscard]] const std::vector<Forecast>& forecasts(const std::string& post) const;
    /// What steps what; empty until it was measured.
    [[nodiscard]] const ClockTree& clocks() const { return clocks_; }
    /// Runs anew, as when another variation is looked at.
    void look();
    /// What is known belongs to the patch as it is; of the forecasts, `foretold`.
    [[nodiscard]] bool settled() const { return active_ && !delay_.isActive() && !running(); }
    [[nodiscard]] bool foretold() const { return settled() && foretold_; }
    /// Jacks that are to be seen too.
    [[nodiscard]] const std::set<JackRef>& pinned() const { return pinned_; }
    void pin(const JackRef& jack, bool on);
    /// Fits a contour in the background and turns its knob; `failed` says why it could not be.
    void fit(const std::string& sequencer, const std::string& contour, Fit fit, int step);

  Q_SIGNALS:
    void changed();
    void forecastChanged();
    void fitted(const QString& text);
    void failed(const QString& why);

  private:
    struct Known {
        std::optional<Responses> responses;
        QString problem;
        std::vector<Forecast> forecasts;
    };
    struct Asked {
        std::string post;
        ResponseOptions options;
    };
    void start();
    void runFor(std::vector<Asked> asked, bool sounds);
    void foretell();
    [[nodiscard]] bool running() const { return job_ && !job_->ended(); }
    void stop();

    Session session_;
    std::function<int(const std::string&)> variation_;
    QTimer delay_;
    QTimer later_; ///< for the forecasts, which take longer
    std::shared_ptr<Job> job_;
    std::shared_ptr<Job> forecast_;
    std::map<std::string, Known> known_;
    ClockTree clocks_;
    std::set<JackRef> pinned_;
    bool active_ = false;
    bool stale_ = true;
    bool foretold_ = false;
};

} // namespace lariat
