// Jobs: work in the background, such as checks and renders, each with a name, its progress, and a way to stop it.
//
// Work gets values only, never the document, and a Progress that it tells how far it is; it stops soon after that says
// so. Its result arrives on the thread of the window, if the object that asked for it still lives and nobody stopped
// it.
#pragma once

#include <QObject>
#include <QPointer>
#include <QString>
#include <QThreadPool>

#include <atomic>
#include <chrono>
#include <deque>
#include <functional>
#include <memory>
#include <mutex>
#include <utility>
#include <vector>

namespace lariat {

class Progress {
  public:
    /// 0…1. False: the work is to stop.
    bool operator()(double done) const {
        state_->done = done;
        return !state_->stopped;
    }
    [[nodiscard]] bool stopped() const { return state_->stopped; }

  private:
    friend class Job;
    struct State {
        std::atomic<double> done{0.0};
        std::atomic<bool> stopped{false};
    };
    std::shared_ptr<State> state_ = std::make_shared<State>();
};

/// One piece of work that waits, runs or has ended.
class Job {
  public:
    explicit Job(QString name) : name_(std::move(name)) {}
    [[nodiscard]] const QString& name() const { return name_; }
    [[nodiscard]] double done() const { return progress_.state_->done; }
    [[nodiscard]] bool ended() const { return ended_; }
    [[nodiscard]] bool stopped() const { return progress_.stopped(); }
    void stop() { progress_.state_->stopped = true; }
    [[nodiscard]] std::chrono::steady_clock::duration age() const { return std::chrono::steady_clock::now() - began_; }

  private:
    friend class Jobs;
    QString name_;
    Progress progress_;
    bool ended_ = false; ///< read and written by the window's thread only
    std::chrono::steady_clock::time_point began_ = std::chrono::steady_clock::now();
};

class Jobs : public QObject {
    Q_OBJECT

  public:
    explicit Jobs(QObject* parent = nullptr);
    /// Stops everything and waits until it has stopped.
    ~Jobs() override;

    /// Runs `work(progress)` in the background and then `done(result)` here. If the work throws, `failed` says so.
    template <class Work, class Done>
    std::shared_ptr<Job> start(const QString& name, QObject* owner, Work work, Done done) {
        auto job = std::make_shared<Job>(name);
        run(job, [job, owner = QPointer<QObject>(owner), work = std::move(work), done = std::move(done)] {
            using T = decltype(work(std::declval<const Progress&>()));
            auto result = std::make_shared<T>(work(job->progress_));
            return [job, owner, done, result] {
                if (owner && !job->stopped()) done(std::move(*result));
            };
        });
        return job;
    }
    /// Those that have not ended, oldest first.
    [[nodiscard]] const std::vector<std::shared_ptr<Job>>& all() const { return jobs_; }
    void stopAll();
    /// How many may run at once.
    void setThreads(int threads) { pool_.setMaxThreadCount(threads); }
    [[nodiscard]] int threads() const { return pool_.maxThreadCount(); }

  Q_SIGNALS:
    void changed(); ///< one began or ended
    void failed(const QString& text);

  private:
    using Then = std::function<void()>; ///< what the window's thread does with a result
    struct Waiting {
        std::shared_ptr<Job> job;
        std::function<Then()> work;
    };
    struct Ended {
        std::shared_ptr<Job> job;
        Then then;
        QString fault;
    };

    void run(const std::shared_ptr<Job>& job, std::function<Then()> work);
    void workOne(); ///< on a thread of the pool
    void endOne();  ///< on the window's

    QThreadPool pool_;
    std::vector<std::shared_ptr<Job>> jobs_;
    // What goes from thread to thread does so under a lock of ours: that of Qt's queues is one that no checker of
    // threads sees.
    std::mutex mutex_;
    std::deque<Waiting> waiting_;
    std::deque<Ended> ended_;
};

} // namespace lariat
