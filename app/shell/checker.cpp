#include "shell/checker.h"

#include "ask/on_sheet.h"
#include "look/text.h"

namespace lariat {
namespace {

constexpr int kDelayMilliseconds = 200;

} // namespace

Checker::Checker(Document& document, Jobs& jobs, QObject* parent) : QObject(parent), document_(document), jobs_(jobs) {
    delay_.setSingleShot(true);
    delay_.setInterval(kDelayMilliseconds);
    connect(&document_, &Document::replaced, this, [this] { // nothing is known of the new one yet
        if (job_) job_->stop();
        knows_ = false;
        sheetAsked_ = false;
        checked_ = {};
        Q_EMIT findingsChanged();
    });
    connect(&document_, &Document::changed, this, [this] {
        upToDate_ = false;
        if (running()) job_->stop(); // what it would find is out of date; others may work meanwhile
        delay_.start();
    });
    connect(&delay_, &QTimer::timeout, this, &Checker::start);
    delay_.start();
}

void Checker::askForSheet() {
    sheetAsked_ = true;
    if (!sheetIsReady() && !delay_.isActive()) delay_.start();
}

void Checker::keepSheet(bool keep) {
    keepsSheet_ = keep;
    if (keep) askForSheet();
}

void Checker::start() {
    if (running()) { // the patch moved on: drop that run, and come back when it has stopped
        job_->stop();
        delay_.start();
        return;
    }
    // Values go along, so that the patch may change meanwhile. The library stays for the life of the document.
    const auto work = [patch = document_.patch(), library = &document_.library(),
                       housing = document_.housing() ? std::optional(*document_.housing()) : std::nullopt,
                       sheet = keepsSheet_ || sheetAsked_](const Progress& progress) -> Checked {
        const auto observed = observe(patch, *library, housing ? &*housing : nullptr, kObservedSeconds, progress);
        Checked out;
        out.hasSheet = sheet;
        if (!observed) {
            out.problem = said(observed.error());
            return out;
        }
        auto found = findEverything(*observed, progress);
        if (!found) {
            out.problem = said(found.error());
            return out;
        }
        out.findings = std::move(found->open);
        out.dismissed = std::move(found->dismissed);
        out.untried = found->untried;
        if (!sheet) return out;
        out.sheet = makeSheet(*observed, out.findings, inWindow());
        if (auto answers = sheetAnswers(patch, *library, inWindow(), progress)) out.sheet.answers = std::move(*answers);
        return out;
    };
    job_ = jobs_.start(tr("checking"), this, work, [this](Checked checked) { finish(std::move(checked)); });
}

void Checker::finish(Checked checked) {
    checked_ = std::move(checked);
    knows_ = true;
    if (checked_.hasSheet) sheetAsked_ = false;
    upToDate_ = !delay_.isActive(); // the patch may have moved on meanwhile
    Q_EMIT findingsChanged();
}

} // namespace lariat
