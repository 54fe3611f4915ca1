#include "shell/document.h"

#include "look/text.h"
#include "maker/keep_module.h"
#include "model/file.h"
#include "stock/case_edits.h"

#include <QFileInfo>
#include <QUndoCommand>

#include <algorithm>
#include <utility>

namespace lariat {
namespace {

constexpr int kKeepAfterMilliseconds = 2000;
constexpr qint64 kPauseMilliseconds = 1500;

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

/// One step between two states of a case; kept in the user's folder either way.
class CaseStep : public QUndoCommand {
  public:
    CaseStep(Document& document, Case before, Case after, const QString& name)
        : QUndoCommand(name), document_(document), before_(std::move(before)), after_(std::move(after)) {}
    void undo() override { document_.putCase(before_); }
    void redo() override { document_.putCase(after_); }

  private:
    Document& document_;
    Case before_;
    Case after_;
};

/// One step between two states of a module; its file in the user's folder goes along.
class ModuleStep : public QUndoCommand {
  public:
    struct State {
        std::optional<std::string> file; ///< of the user's own; nothing: a shipped one was in force
        ModuleInfo module;
    };
    ModuleStep(Document& document, State before, State after, const QString& name)
        : QUndoCommand(name), document_(document), before_(std::move(before)), after_(std::move(after)) {}
    void undo() override { put(before_); }
    void redo() override {
        if (done_) put(after_);
        done_ = true; // what was done is done already when it is pushed
    }

  private:
    void put(const State& state) { document_.putModule(state.module.description.id, state.file, state.module); }

    Document& document_;
    State before_;
    State after_;
    bool done_ = false;
};

Document::Document(Workspace workspace, QObject* parent)
    : QObject(parent), workspace_(std::make_shared<Workspace>(std::move(workspace))),
      patch_(std::make_shared<const Patch>()) {
    keeper_.setSingleShot(true);
    keeper_.setInterval(kKeepAfterMilliseconds);
    connect(&keeper_, &QTimer::timeout, this, &Document::keep);
    connect(&history_, &QUndoStack::cleanChanged, this, &Document::fileChanged);
    startNew();
}

/// The stack says that it is clean when it goes; whoever listens would ask a document that is half gone.
Document::~Document() {
    history_.blockSignals(true);
}

bool Document::putCase(const Case& housing) {
    // Another window may have kept this case too: its change is not written over.
    const std::filesystem::path file = workspace_->own / "cases" / (housing.id + ".json");
    const auto known = workspace_->cases.find(housing.id);
    std::error_code problem;
    if (!workspace_->own.empty() && std::filesystem::exists(file, problem)) {
        const auto there = readFile(file).and_then([](const std::string& bytes) { return readCase(bytes); });
        if (there && (known == workspace_->cases.end() || !(known->second == *there))) {
            Q_EMIT refused(tr("Another window has changed %1 since this one was opened. Open a new window to see it.")
                               .arg(q(there->name)));
            return false;
        }
    }
    if (!workspace_->own.empty())
        if (const auto kept = keepCase(housing, workspace_->own); !kept) {
            Q_EMIT refused(said(kept.error()));
            return false;
        }
    workspace_->cases.insert_or_assign(housing.id, housing);
    Q_EMIT changed();
    return true;
}

bool Document::changeCase(Case housing, const QString& name) {
    auto fits = fitCase(std::move(housing), library());
    if (!fits) {
        Q_EMIT refused(said(fits.error().reason));
        return false;
    }
    const auto there = workspace_->cases.find(fits->id);
    if (there == workspace_->cases.end()) return putCase(*fits); // a new one is no step: it stays
    if (there->second == *fits) return true;
    const Case before = there->second;
    if (!putCase(*fits)) return false;
    history_.push(new CaseStep(*this, before, std::move(*fits), name));
    return true;
}

/// Writes the file, or takes it away, and has the module in force.
bool Document::putModule(const std::string& id, const std::optional<std::string>& file, const ModuleInfo& module) {
    const std::filesystem::path path = moduleFile(workspace_->own, id);
    std::error_code problem;
    if (!workspace_->own.empty()) {
        // Somebody else may have written it since: that is not written over.
        if (std::filesystem::exists(path, problem)) {
            const auto there = readFile(path).and_then(readModule);
            const ModuleInfo* known = library().module(id);
            if (there && (!known || !(known->description == *there))) {
                Q_EMIT refused(
                    tr("The file of %1 has been changed outside since it was read here. Open a new window to "
                       "see it, or move it away: %2")
                        .arg(q(there->name), q(path.string())));
                return false;
            }
        }
        if (!file) {
            std::filesystem::remove(path, problem);
        } else if (const auto kept = keepModule(module.description, workspace_->own); !kept) {
            Q_EMIT refused(said(kept.error()));
            return false;
        }
    }
    auto next = std::make_shared<Workspace>(*workspace_);
    next->library.add(module);
    old_.push_back(std::exchange(workspace_, std::move(next)));
    Q_EMIT libraryChanged();
    Q_EMIT changed();
    return true;
}

bool Document::changeModule(ModuleInfo module, const QString& name) {
    const std::string id = module.description.id;
    const ModuleInfo* there = library().module(id);
    if (there && there->description == module.description) return true;
    if (const auto why = whyNot(module, *workspace_, patch())) {
        Q_EMIT refused(tr("%1 stays as it was: %2").arg(q(module.description.name), said(*why)));
        return false;
    }
    std::optional<ModuleStep::State> before;
    if (there) {
        before = ModuleStep::State{std::nullopt, *there};
        std::error_code problem;
        if (std::filesystem::exists(moduleFile(workspace_->own, id), problem))
            before->file = writeModule(there->description);
    }
    const std::string file = writeModule(module.description);
    if (!putModule(id, file, module)) return false;
    if (before) // a new one is no step: it stays
        history_.push(new ModuleStep(*this, std::move(*before), {file, std::move(module)}, name));
    return true;
}

void Document::takeInNew() {
    auto next = std::make_shared<Workspace>(*workspace_);
    if (!takeIn(*next, loadWorkspace(dataFolder(), workspace_->own))) return;
    old_.push_back(std::exchange(workspace_, std::move(next)));
    Q_EMIT libraryChanged();
    Q_EMIT changed();
}

void Document::stage(Workspace workspace, Patch patch) {
    history_.clear();
    old_.push_back(std::exchange(workspace_, std::make_shared<Workspace>(std::move(workspace))));
    patch_ = std::make_shared<const Patch>(std::move(patch));
    untilRow_ = 0;
    Q_EMIT libraryChanged();
    Q_EMIT changed();
}

void Document::audition(std::shared_ptr<const Patch> patch) {
    if (audition_ == patch) return;
    audition_ = std::move(patch);
    Q_EMIT auditionChanged(audition_ != nullptr);
    Q_EMIT changed();
}

void Document::put(std::shared_ptr<const Patch> patch) {
    if (std::exchange(audition_, nullptr)) Q_EMIT auditionChanged(false);
    patch_ = std::move(patch);
    untilRow_ = std::min(untilRow_, static_cast<int>(patch_->cables.size()));
    if (recovery_ && !keeper_.isActive()) keeper_.start();
    Q_EMIT changed();
}

void Document::reset(Patch patch, const QString& file) {
    history_.clear();
    untilRow_ = 0;
    file_ = file;
    onDisk_.clear();
    patch_ = std::make_shared<const Patch>(std::move(patch));
    Q_EMIT replaced();
    put(patch_);
    keeper_.stop();
    dropRecovery();
    Q_EMIT fileChanged();
}

Result<void> Document::open(const QString& file) {
    auto bytes = readFile(file.toStdString());
    if (!bytes) return tl::unexpected(bytes.error());
    auto patch =
        readPatch(*bytes).and_then([&](Patch read) { return checkPatch(std::move(read), workspace_->library); });
    if (!patch) {
        patch.error().file = file.toStdString();
        return tl::unexpected(patch.error());
    }
    reset(std::move(*patch), QFileInfo(file).absoluteFilePath());
    onDisk_ = std::move(*bytes);
    return {};
}

Result<void> Document::openCopy(const QString& file) {
    auto patch = openPatch(file.toStdString(), library());
    if (!patch) return tl::unexpected(patch.error());
    reset(std::move(*patch), QString());
    return {};
}

Result<void> Document::saveAs(const QString& file) {
    std::string bytes = writePatch(patch());
    auto written = writeFile(file.toStdString(), bytes, FileKind::Patch);
    if (!written) return written;
    file_ = QFileInfo(file).absoluteFilePath();
    onDisk_ = std::move(bytes);
    history_.setClean();
    keeper_.stop();
    dropRecovery();
    Q_EMIT fileChanged();
    return {};
}

std::optional<QString> Document::changedOutside() const {
    if (file_.isEmpty() || !QFileInfo::exists(file_)) return std::nullopt;
    const auto now = readFile(file_.toStdString());
    if (now && *now == onDisk_) return std::nullopt;
    const auto theirs = now.and_then(readPatch);
    if (!theirs) return tr("It holds no patch any more.");
    const QString when = QFileInfo(file_).lastModified().toString(QStringLiteral("d MMM, HH:mm"));
    const auto known = readPatch(onDisk_);
    if (!known) return tr("It was written at %1.").arg(when);
    QStringList changes;
    const auto compare = [&](const QString& what, auto before, auto after) {
        if (before != after) changes << what.arg(before).arg(after);
    };
    compare(tr("cables: %1 before, %2 now"), known->cables.size(), theirs->cables.size());
    compare(tr("posts: %1 before, %2 now"), known->posts.size(), theirs->posts.size());
    if (known->title != theirs->title) changes << tr("title: “%1”").arg(QString::fromStdString(theirs->title));
    if (changes.isEmpty()) changes << tr("knobs, patterns or notes");
    return tr("It was written at %1 (%2).").arg(when, changes.join(QStringLiteral(", ")));
}

void Document::startNew(const std::string& caseId) {
    Patch patch;
    if (workspace_->cases.contains(caseId))
        patch.caseId = caseId;
    else if (!workspace_->cases.empty())
        patch.caseId = workspace_->cases.begin()->first;
    reset(std::move(patch), QString());
}

bool Document::apply(const std::vector<Edit>& edits, const QString& name) {
    auto next = applyEdits(patch(), edits);
    if (next) return become(std::move(*next), name);
    Q_EMIT refused(said(next.error().reason));
    return false;
}

bool Document::become(Patch patch, const QString& name) {
    auto next = checkPatch(std::move(patch), library());
    if (!next) {
        Q_EMIT refused(said(next.error().reason));
        return false;
    }
    history_.push(new PatchStep(*this, std::make_shared<const Patch>(std::move(*next)), name, QString()));
    return true;
}

/// Turning that pauses is over; what comes then is another step.
void Document::goOnTurning() {
    if (!lastTurn_.isValid() || lastTurn_.elapsed() > kPauseMilliseconds) endTurning();
    lastTurn_.start();
}

void Document::turnKnob(const std::string& post, const std::string& knob, double value) {
    goOnTurning();
    auto next = applyEdit(patch(), SetKnob{post, knob, value});
    if (!next) {
        Q_EMIT refused(said(next.error().reason));
        return;
    }
    const Post& there = *next->post(post);
    const PartInfo* part = library().part(there);
    const KnobInfo* info = part ? part->knob(knob) : nullptr;
    if (!info) return; // its module is another one by now
    const QString turned =
        QStringLiteral("%1/%2/%3").arg(QString::fromStdString(post), QString::fromStdString(knob)).arg(turning_);
    history_.push(new PatchStep(*this, std::make_shared<const Patch>(std::move(*next)),
                                tr("turn %1 of %2").arg(q(info->name), q(there.name)), turned));
}

void Document::turn(const std::vector<Edit>& edits, const QString& name, const QString& what) {
    goOnTurning();
    goOn(edits, name, QStringLiteral("%1/%2").arg(what).arg(turning_));
}

void Document::goOn(const std::vector<Edit>& edits, const QString& name, const QString& what) {
    auto next = applyEdits(patch(), edits);
    if (!next) {
        Q_EMIT refused(said(next.error().reason));
        return;
    }
    history_.push(new PatchStep(*this, std::make_shared<const Patch>(std::move(*next)), name, what));
}

void Document::setUntilRow(int row) {
    untilRow_ = std::clamp(row, 0, static_cast<int>(patch().cables.size()));
    Q_EMIT changed();
}

Patch Document::heard() const {
    if (audition_) return *audition_;
    Patch part = patch();
    if (untilRow_ > 0 && untilRow_ < static_cast<int>(part.cables.size()))
        part.cables.resize(static_cast<std::size_t>(untilRow_));
    return part;
}

void Document::setRecoveryFolder(const QString& folder) {
    recovery_ = std::make_unique<Recovery>(folder);
}

bool Document::keep() {
    if (!recovery_ || history_.isClean()) return false;
    const auto written = recovery_->keep(writePatch(patch()), file_);
    if (!written) Q_EMIT refused(said(written.error()));
    return written.has_value();
}

void Document::dropRecovery() {
    if (recovery_) recovery_->drop();
}

Result<void> Document::recover(const LeftBehind& left) {
    auto patch = openPatch(left.kept.toStdString(), library());
    if (!patch) return tl::unexpected(patch.error());
    reset(Patch{}, left.file);
    if (const auto bytes = readFile(left.file.toStdString())) onDisk_ = *bytes;
    history_.push(
        new PatchStep(*this, std::make_shared<const Patch>(std::move(*patch)), tr("recover unsaved work"), QString()));
    if (keep()) Recovery::throwAway(left);
    return {};
}

} // namespace lariat
