#include "shell/recovery.h"

#include "model/file.h"
#include "model/patch.h"

#include <QDir>
#include <QFile>
#include <QFileInfo>
#include <QUuid>

#include <fcntl.h>
#include <sys/file.h>
#include <unistd.h>

namespace lariat {
namespace {

QString companionOf(const QString& kept) {
    return kept.chopped(5) + QStringLiteral(".lock"); // instead of ".json"
}

/// Whether somebody holds it.
bool isHeld(const QString& companion) {
    const int handle = ::open(QFile::encodeName(companion).constData(), O_RDONLY | O_CLOEXEC);
    if (handle < 0) return false;
    const bool held = ::flock(handle, LOCK_EX | LOCK_NB) != 0;
    ::close(handle);
    return held;
}

} // namespace

Recovery::Recovery(const QString& folder) {
    QDir().mkpath(folder);
    kept_ = QStringLiteral("%1/unsaved-%2.json").arg(folder, QUuid::createUuid().toString(QUuid::Id128));
    companion_ = companionOf(kept_);
    lock_ = ::open(QFile::encodeName(companion_).constData(), O_RDWR | O_CREAT | O_CLOEXEC, 0600);
    if (lock_ >= 0) ::flock(lock_, LOCK_EX | LOCK_NB);
}

Recovery::~Recovery() {
    drop();
    if (lock_ >= 0) ::close(lock_);
    QFile::remove(companion_);
}

Result<void> Recovery::keep(std::string_view patch, const QString& file) {
    if (lock_ >= 0) {
        const QByteArray name = file.toUtf8();
        if (::ftruncate(lock_, 0) != 0 ||
            ::pwrite(lock_, name.constData(), static_cast<std::size_t>(name.size()), 0) < 0)
            (void)0; // the work matters more than what it was called
    }
    return writeFile(kept_.toStdString(), patch, FileKind::Patch);
}

void Recovery::drop() {
    QFile::remove(kept_);
}

std::vector<LeftBehind> Recovery::leftBehind(const QString& folder) {
    std::vector<LeftBehind> found;
    for (const QFileInfo& info :
         QDir(folder).entryInfoList({QStringLiteral("unsaved-*.json")}, QDir::Files, QDir::Time)) {
        const QString kept = info.absoluteFilePath();
        const QString companion = companionOf(kept);
        if (isHeld(companion)) continue;
        LeftBehind left{kept, {}, {}, info.lastModified()};
        if (QFile name(companion); name.open(QIODevice::ReadOnly)) left.file = QString::fromUtf8(name.read(4096));
        const auto patch = readFile(kept.toStdString()).and_then(readPatch);
        left.title = patch ? QString::fromStdString(patch->title) : info.fileName();
        found.push_back(std::move(left));
    }
    return found;
}

void Recovery::throwAway(const LeftBehind& left) {
    QFile::remove(left.kept);
    QFile::remove(companionOf(left.kept));
}

} // namespace lariat
