#include "shell/jobs.h"

#include <QThread>

#include <algorithm>
#include <exception>

namespace lariat {

Jobs::Jobs(QObject* parent) : QObject(parent) {
    pool_.setMaxThreadCount(std::max(1, QThread::idealThreadCount() - 1)); // one is left to the window and the sound
}

Jobs::~Jobs() {
    stopAll();
    pool_.waitForDone();
    const std::lock_guard lock(mutex_); // whoever worked last has let go of it
}

void Jobs::stopAll() {
    for (const auto& job : jobs_) job->stop();
}

void Jobs::run(const std::shared_ptr<Job>& job, std::function<Then()> work) {
    jobs_.push_back(job);
    Q_EMIT changed();
    {
        const std::lock_guard lock(mutex_);
        waiting_.push_back({job, std::move(work)});
    }
    pool_.start([this] { workOne(); });
}

void Jobs::workOne() {
    Waiting one;
    {
        const std::lock_guard lock(mutex_);
        one = std::move(waiting_.front());
        waiting_.pop_front();
    }
    Ended ended{one.job, {}, {}};
    try {
        if (!one.job->stopped()) ended.then = one.work();
    } catch (const std::exception& error) {
        ended.fault = QString::fromUtf8(error.what());
    }
    one = {}; // what it was given goes here, the result goes there
    const std::lock_guard lock(mutex_);
    ended_.push_back(std::move(ended));
    QMetaObject::invokeMethod(this, &Jobs::endOne, Qt::QueuedConnection);
}

void Jobs::endOne() {
    Ended one;
    {
        const std::lock_guard lock(mutex_);
        one = std::move(ended_.front());
        ended_.pop_front();
    }
    one.job->ended_ = true;
    std::erase(jobs_, one.job);
    Q_EMIT changed();
    if (one.then) one.then();
    if (!one.fault.isEmpty()) Q_EMIT failed(tr("%1 could not be finished: %2").arg(one.job->name(), one.fault));
}

} // namespace lariat
