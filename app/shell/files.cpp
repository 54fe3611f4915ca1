#include "shell/files.h"

#include "look/text.h"
#include "model/file.h"
#include "print/pdf.h"
#include "stock/carried.h"
#include "widgets/file_dialog.h"

#include <QAction>
#include <QDir>
#include <QFileDialog>
#include <QFileInfo>
#include <QMessageBox>
#include <QPushButton>
#include <QSettings>

namespace lariat {
namespace {

constexpr const char* kRecent = "recent";
constexpr int kMostRecent = 8;
constexpr int kLongestTitle = 40;
const QStringList kEndings = {QStringLiteral(".lariat"), QStringLiteral(".json")};

QString patchFilter() {
    return Files::tr("Lariat patches (*.lariat *.json)");
}

} // namespace

Files::Files(Document& document, const QString& recoveryFolder, QWidget* window)
    : QObject(window), document_(document), folder_(recoveryFolder), window_(window) {
    if (!folder_.isEmpty()) document_.setRecoveryFolder(folder_);
}

namespace {

/// By its ending: a bundle, or a sheet.
bool carriesPatch(const QString& file) {
    const QString ending = QFileInfo(file).suffix().toLower();
    return ending == QLatin1String("pdf") || ending == QLatin1String("html") || ending == QLatin1String("svg") ||
           ending == QLatin1String("lariat-bundle");
}

Result<Bundle> carriedBundle(const QString& file) {
    const std::filesystem::path path = file.toStdString();
    const QString ending = QFileInfo(file).suffix().toLower();
    if (!carriesPatch(file) || ending == QLatin1String("lariat-bundle")) return readBundle(path);
    const auto named = [&](Error error) {
        error.file = path.string();
        return error;
    };
    auto bytes = readFile(path);
    if (!bytes) return tl::unexpected(bytes.error());
    return bundleCarried(bytes->starts_with("%PDF") ? attachedTo(*bytes) : carriedIn(*bytes)).map_error(named);
}

} // namespace

bool Files::open(const QString& file) {
    if (carriesPatch(file)) return openCarried(file);
    const auto opened = document_.open(file);
    if (!opened) {
        Q_EMIT message(tr("%1 — the open patch is unchanged.").arg(said(opened.error())), true);
        return false;
    }
    remember(document_.file());
    Q_EMIT message(tr("Opened %1.").arg(QFileInfo(file).fileName()), false);
    return true;
}

bool Files::openCopy(const QString& file) {
    const auto opened = document_.openCopy(file);
    if (!opened) Q_EMIT message(tr("%1 — the open patch is unchanged.").arg(said(opened.error())), true);
    return opened.has_value();
}

bool Files::openUnnamed(const Patch& patch) {
    const ScratchFile scratch("lariat");
    const auto opened = writeFile(scratch.path(), writePatch(patch), FileKind::Patch).and_then([&] {
        return document_.openCopy(q(scratch.path().string()));
    });
    if (!opened) Q_EMIT message(said(opened.error()), true);
    return opened.has_value();
}

void Files::openByDialog() {
    if (!mayLeave()) return;
    const QString chosen =
        QFileDialog::getOpenFileName(window_, tr("Open a patch"), QFileInfo(document_.file()).path(),
                                     patchFilter() + tr(";;Sheets and bundles (*.pdf *.html *.svg *.lariat-bundle)"));
    if (!chosen.isEmpty()) open(chosen);
}

bool Files::save() {
    Q_EMIT finishTyping();
    if (document_.file().isEmpty()) return saveAs();
    if (const auto change = document_.changedOutside()) {
        QMessageBox question(QMessageBox::Warning, tr("Save the patch"),
                             tr("Another window or program has changed %1 since it was opened here. %2")
                                 .arg(QFileInfo(document_.file()).fileName(), *change),
                             QMessageBox::Cancel, window_);
        QPushButton* replace = question.addButton(tr("Replace it"), QMessageBox::DestructiveRole);
        QPushButton* other = question.addButton(tr("Save under another name…"), QMessageBox::AcceptRole);
        question.setDefaultButton(other);
        question.exec();
        if (question.clickedButton() == other) return saveAs();
        if (question.clickedButton() != replace) return false;
    }
    return saveTo(document_.file());
}

bool Files::saveAs() {
    Q_EMIT finishTyping();
    QString title = q(document_.patch().title).toLower().left(kLongestTitle);
    title.replace(QLatin1Char('/'), QLatin1Char('-'));
    const QString proposed = document_.file().isEmpty() ? title + kEndings.first() : document_.file();
    const QString file = askWhereToSave(window_, tr("Save the patch"), proposed, patchFilter(), kEndings);
    return !file.isEmpty() && saveTo(file);
}

namespace {

const QString kBundleEnding = QStringLiteral(".lariat-bundle");

QString bundleFilter() {
    return Files::tr("Bundles (*.lariat-bundle *.zip)");
}

} // namespace

void Files::saveBundle() {
    Q_EMIT finishTyping();
    const Case* housing = document_.housing();
    if (!housing) {
        Q_EMIT message(tr("This patch names a case that is not here: there is nothing to bundle it with."), true);
        return;
    }
    const auto made = gatherBundle(*housing, document_.patch(), dataFolder(), document_.workspace().own);
    if (!made) {
        Q_EMIT message(said(made.error()), true);
        return;
    }
    QString title = q(document_.patch().title).toLower().left(kLongestTitle);
    title.replace(QLatin1Char('/'), QLatin1Char('-'));
    const QString file =
        askWhereToSave(window_, tr("Save as a bundle"), title + kBundleEnding, bundleFilter(), {kBundleEnding});
    if (file.isEmpty()) return;
    if (const auto written = writeBundle(*made, file.toStdString()); !written) {
        Q_EMIT message(said(written.error()), true);
        return;
    }
    Q_EMIT message(
        tr("%1 holds the patch, its case and %n module(s).", nullptr, static_cast<int>(made->modules.size())).arg(file),
        false);
}

void Files::openBundle() {
    const QString file = QFileDialog::getOpenFileName(
        window_, tr("Open a bundle"), QString(), tr("Bundles and sheets (*.lariat-bundle *.zip *.pdf *.html *.svg)"));
    if (!file.isEmpty() && mayLeave()) openCarried(file);
}

/// A bundle, or a sheet that carries one: what is new of it goes into the user's own folder and is here at once.
bool Files::openCarried(const QString& file) {
    const auto unpacked = carriedBundle(file).and_then(
        [&](Bundle bundle) { return unpackBundle(std::move(bundle), dataFolder(), document_.workspace().own); });
    if (!unpacked) {
        Q_EMIT message(said(unpacked.error()), true);
        return false;
    }
    document_.takeInNew();
    const std::string& home = unpacked->caseId;
    const auto& cases = document_.workspace().cases;
    QStringList told;
    if (unpacked->patch) {
        Q_EMIT aboutToRead();
        if (!openUnnamed(*unpacked->patch)) return false;
        told << tr("The patch of %1, as it was. It has no file of its own yet.").arg(QFileInfo(file).fileName());
    } else if (const auto housing = cases.find(home); housing != cases.end()) {
        told << tr("%1 is here now: choose it in Stock.").arg(q(housing->second.name));
    }
    if (!unpacked->written.empty()) told << tr("Its case and modules are in your folder.");
    for (const Sentence& renamed : unpacked->renamed) told << said(renamed) + QLatin1Char('.');
    Q_EMIT message(told.join(QLatin1Char(' ')), false);
    return true;
}

bool Files::saveTo(const QString& file) {
    const auto saved = document_.saveAs(file);
    if (!saved) {
        Q_EMIT message(said(saved.error()), true);
        return false;
    }
    remember(document_.file());
    Q_EMIT message(tr("Saved %1.").arg(document_.file()), false);
    return true;
}

bool Files::mayLeave() {
    Q_EMIT finishTyping();
    if (document_.history().isClean()) return true;
    const auto answer = QMessageBox::question(
        window_, tr("Unsaved changes"),
        tr("“%1” has changes that are not saved.").arg(q(document_.patch().title).left(2 * kLongestTitle)),
        QMessageBox::Save | QMessageBox::Discard | QMessageBox::Cancel, QMessageBox::Save);
    return answer == QMessageBox::Discard || (answer == QMessageBox::Save && save());
}

void Files::remember(const QString& file) {
    QStringList files = QSettings().value(QLatin1String(kRecent)).toStringList();
    files.removeAll(file);
    files.prepend(file);
    QSettings().setValue(QLatin1String(kRecent), QStringList(files.mid(0, kMostRecent)));
}

void Files::fillRecent(QMenu& menu) {
    menu.clear();
    for (const QString& file : QSettings().value(QLatin1String(kRecent)).toStringList())
        menu.addAction(file, this, [this, file] {
            if (mayLeave()) open(file);
        });
    if (menu.isEmpty()) menu.addAction(tr("Nothing opened yet"))->setEnabled(false);
}

/// The shipped patches by their titles.
void Files::fillDemos(QMenu& menu) {
    const QDir folder(q((dataFolder() / "demo").string()));
    for (const QString& name : folder.entryList({QStringLiteral("*.json")}, QDir::Files, QDir::Name)) {
        const auto patch = readFile(folder.filePath(name).toStdString()).and_then(readPatch);
        if (!patch) continue;
        QAction* action = menu.addAction(q(patch->title), this, [this, file = folder.filePath(name)] {
            if (mayLeave()) openCopy(file);
        });
        action->setToolTip(q(patch->about));
    }
    menu.setToolTipsVisible(true);
}

std::vector<LeftBehind> Files::leftBehind() const {
    return folder_.isEmpty() ? std::vector<LeftBehind>{} : Recovery::leftBehind(folder_);
}

void Files::recover(const LeftBehind& left) {
    if (!mayLeave()) return;
    if (const auto done = document_.recover(left); !done) Q_EMIT message(said(done.error()), true);
}

void Files::fillLeftBehind(QMenu& menu) {
    menu.clear();
    for (const LeftBehind& left : leftBehind()) {
        const QString name = left.file.isEmpty() ? tr("not saved yet") : QFileInfo(left.file).fileName();
        QMenu* one = menu.addMenu(
            tr("%1 (%2), %3")
                .arg(left.title.left(kLongestTitle), name, left.when.toString(QStringLiteral("d MMM, HH:mm"))));
        one->addAction(tr("Open it"), this, [this, left] { recover(left); });
        one->addAction(tr("Throw it away"), this, [left] { Recovery::throwAway(left); });
    }
    if (menu.isEmpty()) menu.addAction(tr("Nothing was left behind"))->setEnabled(false);
}

} // namespace lariat
