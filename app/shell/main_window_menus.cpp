// The menus of the window, and the dialogs that they open.
#include "shell/main_window.h"

#include "look/text.h"
#include "model/file.h"
#include "shell/command_finder.h"
#include "shell/patch_dialog.h"
#include "shell/preferences.h"
#include "shell/render_dialog.h"
#include "shell/shortcuts.h"
#include "shell/tempo.h"
#include "timing/to_files.h"
#include "widgets/file_dialog.h"
#include "widgets/notes_dialog.h"

#include <QDialogButtonBox>
#include <QInputDialog>
#include <QMenuBar>
#include <QMessageBox>
#include <QSettings>
#include <QTextBrowser>
#include <QVBoxLayout>

#include <algorithm>
#include <cmath>

namespace lariat {
namespace {

constexpr const char* kVersion = "0.1.0";

QList<QAction*> actionsIn(const Menus& menus) {
    return menus.edit.actions() + menus.view.actions() + menus.patch.actions() + menus.sound.actions();
}

} // namespace

void MainWindow::buildMenus() {
    buildFileMenu();
    QMenu* edit = buildEditMenu();
    QMenu* view = buildViewMenu();
    QMenu* patch = menuBar()->addMenu(tr("&Patch"));
    addNamed(*patch, "describe-patch", tr("A&bout this patch…"), this, [this] { describePatch(); });
    addNamed(*patch, "keep-take", tr("&Keep a take of it"), this, [this] { log_.keep(); });
    patch->addSeparator();
    QMenu* sound = buildSoundMenu();
    const Menus menus{*edit, *view, *patch, *sound};
    for (Place* place : built_) {
        place->addActionsForAll(menus);
        const QList<QAction*> before = actionsIn(menus);
        place->addActions(menus);
        for (QAction* action : actionsIn(menus))
            if (!before.contains(action)) actionsOf_[place] << action;
    }
    edit->addSeparator();
    addNamed(*edit, "history", tr("&History…"), this, [this] { showHistory(); });
    buildHelpMenu();
}

QMenu* MainWindow::buildFileMenu() {
    QMenu* file = menuBar()->addMenu(tr("&File"));
    addNamed(*file, "new", tr("&New patch"), this, [this] {
        if (files_->mayLeave()) document_.startNew();
    });
    QMenu* in = file->addMenu(tr("New patch &in"));
    const auto fillCases = [this, in] {
        in->clear(); // there may be more since
        for (const auto& [id, housing] : document_.workspace().cases)
            addNamed(*in, ("new-in-" + id).c_str(), q(housing.name), this, [this, id = id] {
                if (files_->mayLeave()) document_.startNew(id);
            });
    };
    connect(in, &QMenu::aboutToShow, this, fillCases);
    fillCases();
    addNamed(*file, "new-window", tr("New &window"), this, [this] { Q_EMIT newWindowWanted(); });
    addNamed(*file, "open", tr("&Open…"), this, [this] { files_->openByDialog(); });
    QMenu* recent = file->addMenu(tr("Open &recent"));
    connect(recent, &QMenu::aboutToShow, this, [this, recent] { files_->fillRecent(*recent); });
    files_->fillRecent(*recent);
    QMenu* left = file->addMenu(tr("&Unsaved work"));
    left->setObjectName(QStringLiteral("left-behind"));
    connect(left, &QMenu::aboutToShow, this, [this, left] { files_->fillLeftBehind(*left); });
    addNamed(*file, "demo", tr("Open the &demo"), this, [this] {
        if (files_->mayLeave()) files_->openCopy(q((dataFolder() / "demo" / "lamp.json").string()));
    });
    QMenu* demos = file->addMenu(tr("Ni&ght Watch"));
    demos->setObjectName(QStringLiteral("demos"));
    files_->fillDemos(*demos);
    file->addSeparator();
    addNamed(*file, "save", tr("&Save"), this, [this] { files_->save(); });
    addNamed(*file, "save-as", tr("Save &as…"), this, [this] { files_->saveAs(); });
    addNamed(*file, "save-bundle", tr("Save as a &bundle…"), this, [this] { files_->saveBundle(); });
    addNamed(*file, "open-bundle", tr("Open a bun&dle…"), this, [this] { files_->openBundle(); });
    addNamed(*file, "read-notes", tr("Patch from n&otes…"), this, [this] { readNotesByDialog(); });
    addNamed(*file, "render", tr("Sound to a &file…"), this, [this] { renderToFile(); });
    file->addSeparator();
    addNamed(*file, "preferences", tr("Pre&ferences…"), this, [this] {
        Preferences dialog(session_, this);
        connect(&dialog, &Preferences::themeChosen, this, &MainWindow::themeChosen);
        connect(&dialog, &Preferences::themeChosen, this, &MainWindow::chooseTheme);
        dialog.exec();
    });
    addNamed(*file, "close", tr("&Close this window"), this, [this] { close(); });
    addNamed(*file, "quit", tr("&Quit"), this, [this] { Q_EMIT quitWanted(); });
    return file;
}

/// What somebody wrote down becomes the open patch; what was open is kept in the log.
void MainWindow::readNotesByDialog() {
    NotesDialog dialog(document_.workspace(), document_.patch().caseId, this);
    if (dialog.exec() != QDialog::Accepted || !dialog.notes() || !files_->mayLeave()) return;
    const NotesRead& notes = *dialog.notes();
    log_.keepBefore(TakeKind::BeforeReading);
    if (files_->openUnnamed(notes.patch))
        messages_->say(tr("%1 of %2 lines were understood; the others stand in what is said of the patch.")
                           .arg(notes.wholeLines())
                           .arg(notes.answers.size()),
                       false);
}

QMenu* MainWindow::buildEditMenu() {
    QMenu* edit = menuBar()->addMenu(tr("&Edit"));
    const auto add = [&](const char* name, QAction* action) {
        action->setObjectName(QString::fromLatin1(name));
        action->setShortcut(shortcutOf(name));
        edit->addAction(action);
    };
    add("undo", document_.history().createUndoAction(this, tr("&Undo")));
    add("redo", document_.history().createRedoAction(this, tr("&Redo")));
    return edit;
}

QMenu* MainWindow::buildViewMenu() {
    QMenu* view = menuBar()->addMenu(tr("&View"));
    for (const PlaceEntry& entry : entries_)
        addNamed(*view, ("place-" + entry.id.toStdString()).c_str(), entry.name, this,
                 [this, id = entry.id] { navigator_.go(id); });
    QAction* back = addNamed(*view, "back", tr("B&ack to where I was"), this, [this] { navigator_.back(); });
    const auto refresh = [this, back] { back->setEnabled(navigator_.canGoBack()); };
    connect(&navigator_, &Navigator::waysChanged, this, refresh);
    refresh();
    view->addSeparator();
    return view;
}

QMenu* MainWindow::buildSoundMenu() {
    QMenu* sound = menuBar()->addMenu(tr("&Sound"));
    addNamed(*sound, "run", tr("Start or &stop"), this, [this] { sound_.setRunning(!sound_.engine().running()); });
    addNamed(*sound, "rewind", tr("&Back to bar 1"), this, [this] { sound_.rewind(); });
    addNamed(*sound, "tap-tempo", tr("&Tap the tempo"), this, [this] { tapTempo(); });
    const auto louder = [this](int by) { transport_->monitor()->setValue(transport_->monitor()->value() + by); };
    addNamed(*sound, "monitor-up", tr("Monitor &up"), this, [louder] { louder(3); });
    addNamed(*sound, "monitor-down", tr("Monitor &down"), this, [louder] { louder(-3); });
    sound->addSeparator();
    QAction* real = addNamed(*sound, "real-case", tr("&Real case"), this, [] {});
    real->setCheckable(true);
    connect(real, &QAction::toggled, this, [this](bool on) { sound_.setRealCase(on); });
    QAction* take = addNamed(*sound, "record-sound", tr("Re&cord what is heard…"), this, [this] { recordSound(); });
    connect(&sound_, &Sound::recordingChanged, take,
            [take](bool on) { take->setText(on ? tr("End the re&cording") : tr("Re&cord what is heard…")); });
    QAction* voices = addNamed(*sound, "record-voices", tr("Record each &voice too"), this, [] {});
    voices->setCheckable(true);
    voices->setToolTip(tr("Each voice and bus goes to a file of its own beside the recording, as it leaves for what "
                          "others share"));
    voices->setChecked(QSettings().value(QStringLiteral("audio/voices"), false).toBool());
    connect(voices, &QAction::toggled, [](bool on) { QSettings().setValue(QStringLiteral("audio/voices"), on); });
    return sound;
}

void MainWindow::buildHelpMenu() {
    QMenu* help = menuBar()->addMenu(tr("&Help"));
    addNamed(*help, "find-command", tr("&Find a command…"), this, [this] { CommandFinder(*menuBar(), this).exec(); });
    addNamed(*help, "reckoner", tr("&Reckoner: tempos, times, pitches, levels…"), this, [this] { showReckoner(); });
    addNamed(*help, "shortcuts", tr("&Shortcuts"), this, [this] { showShortcuts(); });
    addNamed(*help, "about", tr("&About Lariat"), this, [this] { about(); });
}

/// It stays beside the window, whatever place is shown.
void MainWindow::showReckoner() {
    if (!reckoner_) reckoner_ = new Reckoner(document_, AudioSettings{}.rate, this);
    reckoner_->open();
}

/// The tempo of the last few taps goes to the knob that it comes from.
void MainWindow::tapTempo() {
    const double tempo = taps_.tap();
    if (tempo <= 0.0) {
        messages_->say(tr("Tap again in time; the tempo follows from the second tap on."), false);
        return;
    }
    const TempoHome home = tempoHome(document_.patch(), document_.library());
    if (!home.post) {
        messages_->say(tr("No clock of this patch sets a tempo."), true);
        return;
    }
    const double value = std::clamp(std::round(10.0 * tempo) / 10.0, home.knob->scale.min, home.knob->scale.max);
    document_.turnKnob(home.post->id, home.knob->id, value);
    messages_->say(q(home.knob->scale.text(value)), false);
}

/// Renders the patch in the background, as often as one likes at the same time; the window goes on.
void MainWindow::renderToFile() {
    RenderDialog asked(session_, this);
    if (asked.exec() != QDialog::Accepted) return;
    const QStringList endings = asked.endings();
    const QString file =
        askWhereToSave(this, tr("Sound to a file"), q(document_.patch().title).toLower().left(40) + endings.first(),
                       endings.first() == QStringLiteral(".flac") ? tr("FLAC (*.flac)") : tr("WAV (*.wav)"), endings);
    if (file.isEmpty()) return;
    if (const auto allowed = mayWrite(file.toStdString(), FileKind::Sound); !allowed) {
        messages_->say(said(allowed.error()), true);
        return;
    }
    RenderOptions options;
    options.seconds = asked.seconds();
    options.realCase = sound_.realCase();
    options.silenced = sound_.listening().silenced();
    options.scenes = asked.scenes();
    FilesWanted wanted{file.toStdString(), {}, asked.format(), {}};
    // The voices lie in a folder beside the mix, of its name.
    if (asked.stems()) wanted.stems = std::filesystem::path(wanted.mix).replace_extension();
    const auto work = [patch = document_.patch(), library = &document_.library(), options,
                       wanted](const Progress& progress) -> QString {
        RenderOptions told = options;
        told.progress = progress;
        const auto made = renderToFiles(patch, *library, told, wanted);
        return made ? QString() : said(made.error());
    };
    const QString done = asked.stems()
                             ? tr("The sound is in %1, its voices are in %2.").arg(file, q(wanted.stems.string()))
                             : tr("The sound is in %1.").arg(file);
    jobs_.start(tr("sound to %1").arg(QFileInfo(file).fileName()), this, work, [this, done](const QString& fault) {
        messages_->say(fault.isEmpty() ? done : fault, !fault.isEmpty());
    });
}

/// Everything that is heard goes to a file as well, until the same command ends it.
void MainWindow::recordSound() {
    if (sound_.recording()) {
        sound_.stopRecording();
        return;
    }
    const QString file = askWhereToSave(
        this, tr("Record to"), q(document_.patch().title).toLower().left(40) + tr(" take") + QStringLiteral(".wav"),
        tr("WAV (*.wav);;FLAC (*.flac)"), {QStringLiteral(".wav"), QStringLiteral(".flac")});
    if (!file.isEmpty()) sound_.record(file, QSettings().value(QStringLiteral("audio/voices"), false).toBool());
}

/// Every step of this session; a click goes back or forward to it.
void MainWindow::showHistory() {
    if (!history_) {
        history_ = new QUndoView(&document_.history(), this);
        history_->setWindowFlag(Qt::Dialog);
        history_->setWindowTitle(tr("History"));
        history_->setEmptyLabel(tr("as it was opened"));
        history_->setAccessibleName(tr("History"));
        history_->resize(360, 480);
    }
    history_->show();
    history_->raise();
}

void MainWindow::showShortcuts() {
    QString rows;
    for (const auto& [name, action] : allActions(*menuBar()))
        if (!action->shortcut().isEmpty())
            rows +=
                QStringLiteral(
                    "<tr><td style='padding:3px 24px 3px 0'><b>%1</b></td><td style='padding:3px'>%2</td></tr>")
                    .arg(action->shortcut().toString(QKeySequence::NativeText).toHtmlEscaped(), name.toHtmlEscaped());
    const auto more = [&](const QString& keys, const QString& text) {
        rows +=
            QStringLiteral("<tr><td style='padding:3px 24px 3px 0'><b>%1</b></td><td style='padding:3px'>%2</td></tr>")
                .arg(keys, text);
    };
    more(tr("Up, Down"), tr("On the chart: the row before or after"));
    more(tr("Shift+Up, Shift+Down"), tr("On the chart: choose rows beside the one that is chosen"));
    more(tr("Menu key"), tr("On the chart: what can be done with the row or post"));
    more(tr("A to L, W E T Z U O P"), tr("On the keys: play; Page Up and Page Down change the octave"));
    more(tr("Left, Right"), tr("On the chart: the post before or after"));
    more(tr("Left, Right"), tr("On the steps: the step before or after; with Shift more of them"));
    more(tr("Up, Down"), tr("On the steps: notes along the key; with Shift by semitones"));
    more(tr("Page Up, Page Down"), tr("On the steps: the line before or after"));
    more(tr("a to g, x, -, =, !, ~"),
         tr("On the steps: notes, a hit, a rest, a tie; accent or slide of the step before"));
    more(QStringLiteral("&lt;, &gt;"), tr("On the steps: letters an octave lower or higher"));
    more(tr("Up, Down"), tr("On a knob: ten minutes of the clock hand; with Shift one minute"));
    more(tr("Enter"), tr("On a knob: type a value or a position"));
    QDialog dialog(this);
    dialog.setWindowTitle(tr("Shortcuts"));
    dialog.resize(560, 620);
    auto* layout = new QVBoxLayout(&dialog);
    auto* page = new QTextBrowser;
    page->setHtml(QStringLiteral("<table>%1</table>").arg(rows));
    layout->addWidget(page);
    auto* buttons = new QDialogButtonBox(QDialogButtonBox::Close);
    connect(buttons, &QDialogButtonBox::rejected, &dialog, &QDialog::reject);
    layout->addWidget(buttons);
    dialog.exec();
}

void MainWindow::describePatch() {
    PatchDialog(session_, this).exec();
}

void MainWindow::about() {
    QMessageBox::about(this, tr("About Lariat"),
                       tr("<b>Lariat %1</b><p>Plans, simulates and documents modular synthesizer patches.</p>"
                          "<p>Free software under the GNU General Public License, version 3 or later.</p>")
                           .arg(QLatin1String(kVersion)));
}

} // namespace lariat
