#include "shell/document.h"
#include "model/file.h"

#include <QCoreApplication>
#include <QDir>
#include <QFile>
#include <QFileInfo>
#include <QUndoCommand>
#include <QUuid>

#include <algorithm>

namespace lariat {
namespace {

constexpr int kKeepAfterMilliseconds = 2000;

} // namespace

/// One step between two patches.
class PatchStep : public QUndoCommand {
  public:
    PatchStep(Document& document, std::shared_ptr<const Patch> after, const QString& name, QString turned)
        : QUndoCommand(name), document_(document), before_(document.patch_), after_(std::move(after)),
          turned_(std::move(turned)) {}
    void undo() override { document_.put(before_); }
    void redo() override { document_.put(after_); }
    [[nodiscard]] int id() const override { return turned_.isEmpty() ? -1 : 1; }
    bool mergeWith(const QUndoCommand* other) override {
        const auto* next = dynamic_cast<const PatchStep*>(other);
        if (!next || next->turned_ != turned_) return false;
        after_ = next->after_;
        return true;
    }

  private:
    Document& document_;
    std::shared_ptr<const Patch> before_;
    std::shared_ptr<const Patch> after_;
    QString turned_; ///< the knob being turned, or empty
};

Document::Document(Workspace workspace, QObject* parent)
    : QObject(parent), workspace_(std::move(workspace)), patch_(std::make_shared<const Patch>()) {
    keeper_.setSingleShot(true);
    keeper_.setInterval(kKeepAfterMilliseconds);
    connect(&keeper_, &QTimer::timeout, this, &Document::keep);
    connect(&history_, &QUndoStack::cleanChanged, this, &Document::fileChanged);
    startNew();
}

Document::~Document() {
    dropRecovery();
}

void Document::put(std::shared_ptr<const Patch> patch) {
    patch_ = std::move(patch);
    if (!recoveryFile_.isEmpty() && !keeper_.isActive()) keeper_.start();
    Q_EMIT changed();
}

void Document::reset(Patch patch, const QString& file) {
    history_.clear();
    untilRow_ = 0;
    file_ = file;
    put(std::make_shared<const Patch>(std::move(patch)));
    keeper_.stop();
    dropRecovery();
    Q_EMIT fileChanged();
}

Result<void> Document::open(const QString& file) {
    auto patch = openPatch(file.toStdString(), library());
    if (!patch) return tl::unexpected(patch.error());
    reset(std::move(*patch), QFileInfo(file).absoluteFilePath());
    return {};
}

Result<void> Document::openCopy(const QString& file) {
    auto patch = openPatch(file.toStdString(), library());
    if (!patch) return tl::unexpected(patch.error());
    reset(std::move(*patch), QString());
    return {};
}

Result<void> Document::saveAs(const QString& file) {
    auto written = writeFile(file.toStdString(), writePatch(patch()));
    if (!written) return written;
    file_ = QFileInfo(file).absoluteFilePath();
    history_.setClean();
    keeper_.stop();
    dropRecovery();
    Q_EMIT fileChanged();
    return {};
}

void Document::startNew(const std::string& caseId) {
    Patch patch;
    if (workspace_.cases.contains(caseId))
        patch.caseId = caseId;
    else if (!workspace_.cases.empty())
        patch.caseId = workspace_.cases.begin()->first;
    reset(std::move(patch), QString());
}

bool Document::apply(const std::vector<Edit>& edits, const QString& name) {
    auto next = applyEdits(patch(), edits).and_then([&](Patch made) { return checkPatch(std::move(made), library()); });
    if (!next) {
        Q_EMIT refused(QString::fromStdString(next.error().reason));
        return false;
    }
    history_.push(new PatchStep(*this, std::make_shared<const Patch>(std::move(*next)), name, QString()));
    return true;
}

void Document::turnKnob(const std::string& post, const std::string& knob, double value) {
    auto next = applyEdit(patch(), SetKnob{post, knob, value});
    if (!next) {
        Q_EMIT refused(QString::fromStdString(next.error().reason));
        return;
    }
    const QString turned =
        QStringLiteral("%1/%2/%3").arg(QString::fromStdString(post), QString::fromStdString(knob)).arg(turning_);
    history_.push(new PatchStep(*this, std::make_shared<const Patch>(std::move(*next)),
                                QString::fromStdString(describe(SetKnob{post, knob, value})), turned));
}

void Document::turn(const std::vector<Edit>& edits, const QString& name, const QString& what) {
    auto next = applyEdits(patch(), edits);
    if (!next) {
        Q_EMIT refused(QString::fromStdString(next.error().reason));
        return;
    }
    history_.push(new PatchStep(*this, std::make_shared<const Patch>(std::move(*next)), name,
                                QStringLiteral("%1/%2").arg(what).arg(turning_)));
}

void Document::setUntilRow(int row) {
    untilRow_ = std::clamp(row, 0, static_cast<int>(patch().cables.size()));
    Q_EMIT changed();
}

Patch Document::heard() const {
    Patch part = patch();
    if (untilRow_ > 0 && untilRow_ < static_cast<int>(part.cables.size()))
        part.cables.resize(static_cast<std::size_t>(untilRow_));
    return part;
}

void Document::setRecoveryFolder(const QString& folder) {
    QDir().mkpath(folder);
    // A process may have several windows, each with its own work.
    recoveryFile_ = QStringLiteral("%1/unsaved-%2-%3.json")
                        .arg(folder)
                        .arg(QCoreApplication::applicationPid())
                        .arg(QUuid::createUuid().toString(QUuid::Id128));
}

void Document::keep() {
    if (history_.isClean()) return;
    const auto written = writeFile(recoveryFile_.toStdString(), writePatch(patch()));
    if (!written) Q_EMIT refused(QString::fromStdString(written.error().text()));
}

void Document::dropRecovery() {
    if (!recoveryFile_.isEmpty()) QFile::remove(recoveryFile_);
}

QStringList Document::leftBehind(const QString& folder) {
    QStringList found;
    for (const QFileInfo& info :
         QDir(folder).entryInfoList({QStringLiteral("unsaved-*.json")}, QDir::Files, QDir::Time)) {
        const QString owner = info.completeBaseName().section(QLatin1Char('-'), 1, 1);
        if (!QFileInfo::exists(QStringLiteral("/proc/") + owner)) found << info.absoluteFilePath();
    }
    return found;
}

Result<void> Document::recover(const QString& file) {
    auto patch = openPatch(file.toStdString(), library());
    if (!patch) return tl::unexpected(patch.error());
    reset(Patch{}, QString());
    history_.push(
        new PatchStep(*this, std::make_shared<const Patch>(std::move(*patch)), tr("recover unsaved work"), QString()));
    keep();
    QFile::remove(file);
    return {};
}

} // namespace lariat
