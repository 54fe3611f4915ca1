#include "shell/checker.h"

#include <QtConcurrent>

namespace lariat {
namespace {

constexpr int kDelayMilliseconds = 200;

} // namespace

Checker::Checker(Document& document, QObject* parent) : QObject(parent), document_(document) {
    delay_.setSingleShot(true);
    delay_.setInterval(kDelayMilliseconds);
    connect(&document_, &Document::changed, &delay_, qOverload<>(&QTimer::start));
    connect(&delay_, &QTimer::timeout, this, &Checker::start);
    connect(&watcher_, &QFutureWatcherBase::finished, this, &Checker::finish);
    delay_.start();
}

Checker::~Checker() {
    if (cancelled_) *cancelled_ = true;
    watcher_.waitForFinished();
}

void Checker::start() {
    if (watcher_.isRunning()) { // the patch moved on: drop that run, and come back when it has stopped
        *cancelled_ = true;
        delay_.start();
        return;
    }
    cancelled_ = std::make_shared<std::atomic<bool>>(false);
    // Values go along, so that the patch may change meanwhile. The library stays for the life of the document.
    watcher_.setFuture(QtConcurrent::run([patch = document_.patch(), library = &document_.library(),
                                          housing = document_.housing(), cancelled = cancelled_]() -> Checked {
        const auto goOn = [&](double) { return !*cancelled; };
        const auto observed = observe(patch, *library, housing, kObservedSeconds, goOn);
        if (!observed) return {{}, {}, {}, QString::fromStdString(observed.error().text())};
        Checked out;
        Found found = findEverything(*observed);
        out.findings = std::move(found.open);
        out.dismissed = std::move(found.dismissed);
        out.sheet = makeSheet(*observed, out.findings);
        return out;
    }));
}

void Checker::finish() {
    if (*cancelled_) return;
    checked_ = watcher_.result();
    Q_EMIT findingsChanged();
}

} // namespace lariat
