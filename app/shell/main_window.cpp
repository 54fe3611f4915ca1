#include "shell/main_window.h"

#include "look/fonts.h"
#include "look/text.h"
#include "model/file.h"
#include "shell/command_finder.h"
#include "shell/later_place.h"
#include "shell/preferences.h"

#include <QApplication>
#include <QCloseEvent>
#include <QComboBox>
#include <QDialogButtonBox>
#include <QDir>
#include <QFileDialog>
#include <QFileInfo>
#include <QHBoxLayout>
#include <QKeyEvent>
#include <QMenuBar>
#include <QMessageBox>
#include <QMimeData>
#include <QPainter>
#include <QSettings>
#include <QTextBrowser>
#include <QVBoxLayout>

#include <algorithm>

namespace lariat {
namespace {

constexpr const char* kRecent = "recent";
constexpr int kMostRecent = 8;
constexpr const char* kVersion = "0.1.0";

QString patchFilter() {
    return MainWindow::tr("Lariat patches (*.json)");
}

} // namespace

MainWindow::MainWindow(Workspace workspace, std::vector<PlaceEntry> places, const QString& settingsFolder,
                       QWidget* parent)
    : QMainWindow(parent), document_(std::move(workspace)), sound_(document_), checker_(document_),
      controllers_(document_, sound_), entries_(std::move(places)), settingsFolder_(settingsFolder) {
    if (!settingsFolder_.isEmpty()) document_.setRecoveryFolder(settingsFolder_);
    const Session session{document_, sound_, checker_};
    auto* centre = new QWidget;
    auto* across = new QHBoxLayout(centre);
    across->setContentsMargins(0, 0, 0, 0);
    across->setSpacing(0);
    rail_ = new Rail(entries_);
    auto* column = new QVBoxLayout;
    column->setSpacing(0);
    auto* head = new QHBoxLayout;
    head->setContentsMargins(16, 8, 16, 8);
    head->setSpacing(14);
    title_ = new QLabel;
    summary_ = new QLabel;
    title_->setTextFormat(Qt::PlainText);
    tools_ = new QStackedWidget;
    tools_->setFixedWidth(460);
    pages_ = new QStackedWidget;
    messages_ = new MessageStrip;
    transport_ = new TransportBar(session);
    head->addWidget(title_);
    head->addWidget(summary_, 1);
    head->addWidget(tools_);
    column->addLayout(head);
    column->addWidget(pages_, 1);
    column->addWidget(messages_);
    column->addWidget(transport_);
    across->addWidget(rail_);
    across->addLayout(column, 1);
    setCentralWidget(centre);
    for (const PlaceEntry& entry : entries_) {
        Place* place = entry.make ? entry.make(session) : nullptr;
        built_.push_back(place);
        pages_->addWidget(place ? static_cast<QWidget*>(place) : new LaterPlace(entry.question, entry.laterText));
        QWidget* tool = place ? place->tool() : nullptr;
        tools_->addWidget(tool ? tool : new QWidget);
        if (place)
            connect(place, &Place::message, this,
                    [this](const QString& text, bool refusal) { messages_->say(text, refusal); });
    }
    setAcceptDrops(true);
    buildMenus();
    connect(rail_, &Rail::chosen, this, &MainWindow::go);
    connect(&document_, &Document::refused, this, [this](const QString& reason) { messages_->say(reason, true); });
    connect(&document_, &Document::changed, this, &MainWindow::refreshHead);
    connect(&document_, &Document::fileChanged, this, &MainWindow::refreshTitle);
    connect(&checker_, &Checker::findingsChanged, this, &MainWindow::refreshHead);
    connect(&sound_, &Sound::message, this,
            [this](const QString& text, bool refusal) { messages_->say(text, refusal); });
    showPlace(QStringLiteral("patch"));
    refreshHead();
    refreshTitle();
    resize(1280, 800);
    qApp->installEventFilter(this);
    for (const Error& error : document_.workspace().errors)
        messages_->say(tr("Left out: %1").arg(q(error.text())), true);
}

Place* MainWindow::place(const QString& id) const {
    for (std::size_t i = 0; i < entries_.size(); ++i)
        if (entries_[i].id == id) return built_[i];
    return nullptr;
}

void MainWindow::showPlace(const QString& id) {
    for (std::size_t i = 0; i < entries_.size(); ++i)
        if (entries_[i].id == id) go(static_cast<int>(i));
}

void MainWindow::go(int place) {
    rail_->setCurrent(place);
    pages_->setCurrentIndex(place);
    tools_->setCurrentIndex(place);
    pages_->currentWidget()->setFocus();
}

void MainWindow::buildMenus() {
    buildFileMenu();
    buildEditMenu();
    QMenu* edit = menuBar()->findChild<QMenu*>(QStringLiteral("edit"));
    QMenu* view = menuBar()->addMenu(tr("&View"));
    for (std::size_t i = 0; i < entries_.size(); ++i) {
        const int place = static_cast<int>(i);
        view->addAction(entries_[i].name, this, [this, place] { go(place); })
            ->setShortcut(QKeySequence(QStringLiteral("Ctrl+%1").arg(i + 1)));
    }
    view->addSeparator();
    QMenu* patch = menuBar()->addMenu(tr("&Patch"));
    QMenu* sound = menuBar()->addMenu(tr("&Sound"));
    sound->addAction(tr("Start or &stop"), this, [this] { sound_.setRunning(!sound_.engine().running()); })
        ->setShortcut(Qt::Key_Space);
    sound->addAction(tr("&Back to bar 1"), this, [this] { sound_.rewind(); })
        ->setShortcut(QKeySequence(QStringLiteral("Ctrl+Backspace")));
    const auto louder = [this](int by) { transport_->monitor()->setValue(transport_->monitor()->value() + by); };
    sound->addAction(tr("Monitor &up"), this, [louder] { louder(3); })
        ->setShortcut(QKeySequence(QStringLiteral("Ctrl+Shift+Up")));
    sound->addAction(tr("Monitor &down"), this, [louder] { louder(-3); })
        ->setShortcut(QKeySequence(QStringLiteral("Ctrl+Shift+Down")));
    sound->addSeparator();
    QAction* real = sound->addAction(tr("&Real case"), this, [this](bool on) { sound_.setRealCase(on); });
    real->setObjectName(QStringLiteral("real-case"));
    real->setCheckable(true);
    real->setShortcut(QKeySequence(QStringLiteral("Ctrl+Shift+E")));
    for (Place* place : built_)
        if (place) place->addActions({*edit, *view, *patch, *sound});
    edit->addSeparator();
    edit->addAction(tr("&History…"), this, &MainWindow::showHistory)
        ->setShortcut(QKeySequence(QStringLiteral("Ctrl+Shift+H")));
    QMenu* help = menuBar()->addMenu(tr("&Help"));
    help->addAction(tr("&Find a command…"), this, [this] { CommandFinder(*menuBar(), this).exec(); })
        ->setShortcut(QKeySequence(QStringLiteral("Ctrl+F")));
    help->addAction(tr("&Shortcuts"), this, &MainWindow::showShortcuts)->setShortcut(Qt::Key_F1);
    help->addAction(tr("&About Lariat"), this, &MainWindow::about);
}

void MainWindow::buildFileMenu() {
    QMenu* file = menuBar()->addMenu(tr("&File"));
    file->addAction(tr("&New patch"), this,
                    [this] {
                        if (mayLeave()) document_.startNew();
                    })
        ->setShortcut(QKeySequence::New);
    QMenu* in = file->addMenu(tr("New patch &in"));
    for (const auto& [id, housing] : document_.workspace().cases)
        in->addAction(q(housing.name), this, [this, id = id] {
            if (mayLeave()) document_.startNew(id);
        });
    file->addAction(tr("New &window"), this, &MainWindow::newWindowWanted)
        ->setShortcut(QKeySequence(QStringLiteral("Ctrl+Alt+N")));
    file->addAction(tr("&Open…"), this,
                    [this] {
                        if (!mayLeave()) return;
                        const QString chosen = QFileDialog::getOpenFileName(
                            this, tr("Open a patch"), QFileInfo(document_.file()).path(), patchFilter());
                        if (!chosen.isEmpty()) openFile(chosen);
                    })
        ->setShortcut(QKeySequence::Open);
    QMenu* recent = file->addMenu(tr("Open &recent"));
    connect(recent, &QMenu::aboutToShow, this, [this, recent] { fillRecent(*recent); });
    fillRecent(*recent);
    file->addAction(tr("Open the &demo"), this, [this] {
        if (mayLeave()) openCopy(q((dataFolder() / "demo" / "lamp.json").string()));
    });
    fillDemos(*file->addMenu(tr("&Night Watch")));
    file->addSeparator();
    file->addAction(tr("&Save"), this, &MainWindow::save)->setShortcut(QKeySequence::Save);
    file->addAction(tr("Save &as…"), this, &MainWindow::saveAs)
        ->setShortcut(QKeySequence(QStringLiteral("Ctrl+Shift+S")));
    file->addSeparator();
    file->addAction(tr("Pre&ferences…"), this,
                    [this] {
                        Preferences dialog({document_, sound_, checker_}, this);
                        connect(&dialog, &Preferences::themeChosen, this, &MainWindow::chooseTheme);
                        dialog.exec();
                    })
        ->setShortcut(QKeySequence(QStringLiteral("Ctrl+,")));
    file->addAction(tr("&Quit"), this, &QWidget::close)->setShortcut(QKeySequence(QStringLiteral("Ctrl+Q")));
}

void MainWindow::buildEditMenu() {
    QMenu* edit = menuBar()->addMenu(tr("&Edit"));
    edit->setObjectName(QStringLiteral("edit"));
    QAction* undo = document_.history().createUndoAction(this, tr("&Undo"));
    undo->setShortcut(QKeySequence::Undo);
    QAction* redo = document_.history().createRedoAction(this, tr("&Redo"));
    redo->setShortcut(QKeySequence(QStringLiteral("Ctrl+Shift+Z")));
    edit->addAction(undo);
    edit->addAction(redo);
}

/// The shipped patches by their titles.
void MainWindow::fillDemos(QMenu& menu) {
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

void MainWindow::fillRecent(QMenu& menu) {
    menu.clear();
    for (const QString& file : QSettings().value(QLatin1String(kRecent)).toStringList())
        menu.addAction(file, this, [this, file] {
            if (mayLeave()) openFile(file);
        });
    if (menu.isEmpty()) menu.addAction(tr("Nothing opened yet"))->setEnabled(false);
}

void MainWindow::remember(const QString& file) {
    QStringList files = QSettings().value(QLatin1String(kRecent)).toStringList();
    files.removeAll(file);
    files.prepend(file);
    QSettings().setValue(QLatin1String(kRecent), QStringList(files.mid(0, kMostRecent)));
}

bool MainWindow::openFile(const QString& file) {
    const auto opened = document_.open(file);
    if (!opened) {
        messages_->say(tr("%1 — the open patch is unchanged.").arg(q(opened.error().text())), true);
        return false;
    }
    remember(document_.file());
    messages_->say(tr("Opened %1.").arg(QFileInfo(file).fileName()), false);
    return true;
}

bool MainWindow::openCopy(const QString& file) {
    const auto opened = document_.openCopy(file);
    if (!opened) messages_->say(tr("%1 — the open patch is unchanged.").arg(q(opened.error().text())), true);
    return opened.has_value();
}

bool MainWindow::save() {
    if (document_.file().isEmpty()) return saveAs();
    const auto saved = document_.saveAs(document_.file());
    if (saved)
        messages_->say(tr("Saved %1.").arg(document_.file()), false);
    else
        messages_->say(q(saved.error().text()), true);
    return saved.has_value();
}

bool MainWindow::saveAs() {
    const QString proposed =
        document_.file().isEmpty() ? q(document_.patch().title).toLower() + QStringLiteral(".json") : document_.file();
    QString file = QFileDialog::getSaveFileName(this, tr("Save the patch"), proposed, patchFilter());
    if (file.isEmpty()) return false;
    if (QFileInfo(file).suffix().isEmpty()) file += QStringLiteral(".json");
    const auto saved = document_.saveAs(file);
    if (saved) {
        remember(document_.file());
        messages_->say(tr("Saved %1.").arg(file), false);
    } else {
        messages_->say(q(saved.error().text()), true);
    }
    return saved.has_value();
}

bool MainWindow::mayLeave() {
    if (document_.history().isClean()) return true;
    const auto answer = QMessageBox::question(
        this, tr("Unsaved changes"), tr("“%1” has changes that are not saved.").arg(q(document_.patch().title)),
        QMessageBox::Save | QMessageBox::Discard | QMessageBox::Cancel, QMessageBox::Save);
    return answer == QMessageBox::Discard || (answer == QMessageBox::Save && save());
}

void MainWindow::closeEvent(QCloseEvent* event) {
    if (!mayLeave()) {
        event->ignore();
        return;
    }
    QSettings().setValue(QStringLiteral("window"), saveGeometry());
    event->accept();
}

void MainWindow::changeEvent(QEvent* event) {
    QMainWindow::changeEvent(event);
    if (event->type() == QEvent::PaletteChange && title_) refreshHead();
}

/// Space starts and stops, except where a button or list has the keyboard: there it presses.
bool MainWindow::eventFilter(QObject* watched, QEvent* event) {
    if (event->type() == QEvent::ShortcutOverride && static_cast<QKeyEvent*>(event)->key() == Qt::Key_Space &&
        (qobject_cast<QAbstractButton*>(watched) || qobject_cast<QComboBox*>(watched)))
        event->accept();
    return QMainWindow::eventFilter(watched, event);
}

void MainWindow::chooseTheme(Theme theme) {
    applyTheme(theme);
    refreshHead();
    document_.touch(); // pages that were made with the old colours make themselves anew
}

void MainWindow::offerRecovery() {
    if (settingsFolder_.isEmpty()) return;
    const QStringList files = Document::leftBehind(settingsFolder_);
    if (files.isEmpty()) return;
    const QString file = files.first();
    messages_->say(tr("Lariat was not closed properly last time. Unsaved work of %1 was kept.")
                       .arg(QFileInfo(file).lastModified().toString(QStringLiteral("d MMM, HH:mm"))),
                   true,
                   {{tr("Open it"),
                     [this, file] {
                         if (!mayLeave()) return;
                         if (const auto done = document_.recover(file); !done)
                             messages_->say(q(done.error().text()), true);
                     }},
                    {tr("Throw it away"), [file] { QFile::remove(file); }}});
}

void MainWindow::refreshHead() {
    const Patch& patch = document_.patch();
    title_->setFont(textFont(18, true));
    title_->setText(q(patch.title));
    QStringList facts;
    if (!patch.key.empty()) facts << q(patch.key);
    const Case* housing = document_.housing();
    facts << (housing ? tr("%1 of %2 cables").arg(patch.cables.size()).arg(housing->cableCount())
                      : tr("%n cable(s)", nullptr, static_cast<int>(patch.cables.size())));
    const auto found = static_cast<int>(std::ranges::count_if(
        checker_.findings(), [](const Finding& finding) { return finding.severity != Severity::Note; }));
    facts << (found == 0 ? tr("nothing found wrong") : found == 1 ? tr("1 finding") : tr("%1 findings").arg(found));
    if (!checker_.problem().isEmpty()) facts.last() = checker_.problem();
    summary_->setFont(textFont(13));
    summary_->setStyleSheet(QStringLiteral("color: %1").arg(look().softInk.name()));
    summary_->setText(facts.join(QStringLiteral(" · ")));
}

void MainWindow::refreshTitle() {
    const QString name = document_.file().isEmpty() ? tr("not saved yet") : QFileInfo(document_.file()).fileName();
    setWindowTitle(tr("%1[*] (%2) – Lariat").arg(q(document_.patch().title), name));
    setWindowModified(!document_.history().isClean());
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

void MainWindow::dragEnterEvent(QDragEnterEvent* event) {
    if (event->mimeData()->hasUrls()) event->acceptProposedAction();
}

/// A patch that is dropped is opened; anything else is refused by name, and the open patch stays.
void MainWindow::dropEvent(QDropEvent* event) {
    const QList<QUrl> urls = event->mimeData()->urls();
    if (urls.isEmpty()) return;
    event->acceptProposedAction();
    const QString file = urls.first().toLocalFile();
    if (urls.size() > 1)
        messages_->say(tr("Drop one file at a time."), true);
    else if (file.isEmpty())
        messages_->say(tr("%1 is not a file on this machine.").arg(urls.first().toString()), true);
    else if (mayLeave())
        openFile(file);
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

void MainWindow::about() {
    QMessageBox::about(this, tr("About Lariat"),
                       tr("<b>Lariat %1</b><p>Plans, simulates and documents modular synthesizer patches.</p>"
                          "<p>Free software under the GNU General Public License, version 3 or later.</p>")
                           .arg(QLatin1String(kVersion)));
}

} // namespace lariat
