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
}

void Jobs::stopAll() {
    for (const auto& job : jobs_) job->stop();
}

void Jobs::run(const std::shared_ptr<Job>& job, std::function<std::function<void()>()> work) {
    jobs_.push_back(job);
    Q_EMIT changed();
    pool_.start([this, job, work = std::move(work)] {
        std::function<void()> then;
        QString fault;
        try {
            if (!job->stopped()) then = work();
        } catch (const std::exception& error) {
            fault = QString::fromUtf8(error.what());
        }
        QMetaObject::invokeMethod(
            this,
            [this, job, then, fault] {
                end(job);
                if (then) then();
                if (!fault.isEmpty()) Q_EMIT failed(tr("%1 could not be finished: %2").arg(job->name(), fault));
            },
            Qt::QueuedConnection);
    });
}

void Jobs::end(const std::shared_ptr<Job>& job) {
    job->ended_ = true;
    std::erase(jobs_, job);
    Q_EMIT changed();
}

} // namespace lariat
