#include "shell/main_window.h"

#include "library/unknowns.h"
#include "look/fonts.h"
#include "look/text.h"
#include "shell/shortcuts.h"

#include <QAbstractSpinBox>
#include <QApplication>
#include <QCloseEvent>
#include <QComboBox>
#include <QFileInfo>
#include <QHBoxLayout>
#include <QKeyEvent>
#include <QLineEdit>
#include <QMimeData>
#include <QPainter>
#include <QPlainTextEdit>
#include <QPointer>
#include <QSettings>
#include <QSlider>
#include <QVBoxLayout>

#include <algorithm>

namespace lariat {
namespace {

/// The title: it takes what room there is, is cut where that ends, and can be pressed.
class HeadLabel : public QAbstractButton {
  public:
    HeadLabel() {
        setFocusPolicy(Qt::TabFocus);
        setCursor(Qt::PointingHandCursor);
        setSizePolicy(QSizePolicy::Maximum, QSizePolicy::Preferred);
    }
    [[nodiscard]] QSize sizeHint() const override {
        const QFontMetrics metrics(textFont(18, true));
        return {metrics.horizontalAdvance(text()) + 8, metrics.height() + 4};
    }
    [[nodiscard]] QSize minimumSizeHint() const override { return {60, sizeHint().height()}; }

  protected:
    void paintEvent(QPaintEvent*) override {
        QPainter painter(this);
        const QFont font = textFont(18, true);
        painter.setFont(font);
        painter.setPen(hasFocus() || underMouse() ? look().accent : look().ink);
        painter.drawText(rect(), Qt::AlignVCenter, QFontMetrics(font).elidedText(text(), Qt::ElideRight, width()));
    }
};

} // namespace

MainWindow::MainWindow(Workspace workspace, std::vector<PlaceEntry> places, const QString& recoveryFolder,
                       QWidget* parent)
    : QMainWindow(parent), document_(std::move(workspace)), sound_(document_), selection_(document_),
      checker_(document_, jobs_), readings_(document_, sound_), navigator_(document_, selection_),
      controllers_(document_, sound_), gestures_(document_, sound_),
      log_(document_, jobs_, checker_), session_{document_, sound_,     selection_,   jobs_,     checker_,
                                                 readings_, navigator_, controllers_, gestures_, &log_},
      files_(new Files(document_, recoveryFolder, this)), entries_(std::move(places)) {
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
    title_ = new HeadLabel;
    title_->setObjectName(QStringLiteral("head"));
    title_->setToolTip(tr("Title, key, tempo and description of the patch (%1)")
                           .arg(shortcutOf("describe-patch").toString(QKeySequence::NativeText)));
    connect(title_, &QAbstractButton::clicked, this, &MainWindow::describePatch);
    summary_ = new QLabel;
    summary_->setTextFormat(Qt::PlainText);
    summary_->setSizePolicy(QSizePolicy::Ignored, QSizePolicy::Preferred); // long facts are cut, not the window widened
    tools_ = new QStackedWidget;
    tools_->setMinimumWidth(240);
    tools_->setMaximumWidth(460);
    tools_->setSizePolicy(QSizePolicy::Expanding, QSizePolicy::Preferred);
    pages_ = new QStackedWidget;
    messages_ = new MessageStrip;
    transport_ = new TransportBar(session_);
    head->addWidget(title_);
    head->addWidget(summary_, 1);
    head->addWidget(tools_, 2);
    column->addLayout(head);
    column->addWidget(pages_, 1);
    column->addWidget(messages_);
    column->addWidget(transport_);
    across->addWidget(rail_);
    across->addLayout(column, 1);
    setCentralWidget(centre);
    const auto say = [this](const QString& text, bool refusal) { messages_->say(text, refusal); };
    connect(files_, &Files::message, this, say);
    connect(files_, &Files::aboutToRead, &log_, [this] { log_.keepBefore(TakeKind::BeforeReading); });
    // A field takes what was typed when it loses the keyboard; it gets it back.
    connect(files_, &Files::finishTyping, this, [this] {
        const QPointer<QWidget> field = focusWidget();
        if (!qobject_cast<QLineEdit*>(field) || !field->isVisible()) return;
        field->clearFocus();
        if (field && field->isVisible()) field->setFocus();
    });
    // Later, when whoever began or ended a job knows of it too.
    connect(&jobs_, &Jobs::changed, this, &MainWindow::refreshHead, Qt::QueuedConnection);
    connect(&jobs_, &Jobs::failed, this, [this](const QString& text) { messages_->say(text, true); });
    for (const PlaceEntry& entry : entries_) {
        Place* place = entry.make(session_);
        built_.push_back(place);
        pages_->addWidget(place);
        QWidget* tool = place->tool();
        tools_->addWidget(tool ? tool : new QWidget);
        connect(place, &Place::message, this, say);
    }
    setAcceptDrops(true);
    buildMenus();
    connect(rail_, &Rail::chosen, this,
            [this](int place) { navigator_.go(entries_[static_cast<std::size_t>(place)].id); });
    connect(&navigator_, &Navigator::placeChanged, this, &MainWindow::enter);
    connect(&document_, &Document::refused, this, [this](const QString& reason) { messages_->say(reason, true); });
    connect(&document_, &Document::changed, this, &MainWindow::refreshHead);
    connect(&document_, &Document::fileChanged, this, &MainWindow::refreshTitle);
    connect(&checker_, &Checker::findingsChanged, this, &MainWindow::refreshHead);
    connect(&sound_, &Sound::message, this, say);
    connect(&gestures_, &Gestures::message, this, say);
    connect(&log_, &LogKeeper::message, this, say);
    connect(&sound_, &Sound::recorded, &log_, &LogKeeper::keepRecording);
    showPlace(QStringLiteral("patch"));
    refreshHead();
    refreshTitle();
    resize(1280, 800);
    qApp->installEventFilter(this);
    QStringList leftOut;
    for (const Error& error : document_.workspace().errors) leftOut << said(error);
    if (!leftOut.isEmpty()) messages_->say(tr("Left out: %1").arg(leftOut.join(QLatin1Char('\n'))), true);
}

/// The places go before what they work with.
MainWindow::~MainWindow() {
    delete history_;
    delete takeCentralWidget();
}

Place* MainWindow::place(const QString& id) const {
    for (std::size_t i = 0; i < entries_.size(); ++i)
        if (entries_[i].id == id) return built_[i];
    return nullptr;
}

void MainWindow::showPlace(const QString& id) {
    if (std::ranges::find(entries_, id, &PlaceEntry::id) != entries_.end()) navigator_.go(id);
}

/// A place is entered, and with it its actions; those of the others are put away.
void MainWindow::enter(const QString& id) {
    const auto at = std::ranges::find(entries_, id, &PlaceEntry::id);
    if (at == entries_.end()) return;
    const auto index = static_cast<int>(at - entries_.begin());
    rail_->setCurrent(index);
    pages_->setCurrentIndex(index);
    tools_->setCurrentIndex(index);
    for (const auto& [place, actions] : actionsOf_)
        for (QAction* action : actions) action->setEnabled(place == pages_->currentWidget());
    pages_->currentWidget()->setFocus();
}

void MainWindow::closeEvent(QCloseEvent* event) {
    if (!files_->mayLeave()) {
        event->ignore();
        return;
    }
    QSettings().setValue(QStringLiteral("window"), saveGeometry());
    sound_.setRunning(false); // a window that is not seen is not heard
    sound_.stopRecording();
    event->accept();
}

void MainWindow::changeEvent(QEvent* event) {
    QMainWindow::changeEvent(event);
    if (event->type() == QEvent::PaletteChange && title_) refreshHead();
}

/// Keys belong to the field that is typed into, and Space to the button that has the keyboard. The wheel turns only
/// what has it: it scrolls past everything else.
bool MainWindow::eventFilter(QObject* watched, QEvent* event) {
    if (event->type() == QEvent::ShortcutOverride) {
        const auto& key = *static_cast<QKeyEvent*>(event);
        const bool types = qobject_cast<QLineEdit*>(watched) || qobject_cast<QPlainTextEdit*>(watched) ||
                           qobject_cast<QAbstractSpinBox*>(watched);
        const bool presses = qobject_cast<QAbstractButton*>(watched) || qobject_cast<QComboBox*>(watched);
        if ((types && isForText(key)) || (presses && key.key() == Qt::Key_Space)) event->accept();
    }
    if (event->type() == QEvent::Wheel) {
        auto* widget = qobject_cast<QWidget*>(watched);
        const bool turns = qobject_cast<QComboBox*>(watched) || qobject_cast<QSlider*>(watched) ||
                           qobject_cast<QAbstractSpinBox*>(watched);
        if (turns && !widget->hasFocus()) {
            event->ignore();
            return true;
        }
    }
    return QMainWindow::eventFilter(watched, event);
}

void MainWindow::chooseTheme(Theme theme) {
    applyTheme(theme);
    refreshHead();
    document_.touch(); // pages that were made with the old colours make themselves anew
}

void MainWindow::offerRecovery() {
    const auto left = files_->leftBehind();
    if (left.empty()) return;
    messages_->say(
        tr("Lariat was not closed properly. %n unsaved work(s) were kept; the File menu lists them, the newest "
           "is “%1” of %2.",
           nullptr, static_cast<int>(left.size()))
            .arg(left.front().title.left(60), left.front().when.toString(QStringLiteral("d MMM, HH:mm"))),
        true, {{tr("Open it"), [this, newest = left.front()] { files_->recover(newest); }}, {tr("Later"), {}}});
}

void MainWindow::refreshHead() {
    const Patch& patch = document_.patch();
    title_->setText(q(patch.title));
    QStringList facts;
    if (!patch.key.empty()) facts << q(patch.key);
    const Case* housing = document_.housing();
    facts << (housing ? tr("%1 of %2 cables").arg(patch.cables.size()).arg(housing->cableCount())
                      : tr("%n cable(s)", nullptr, static_cast<int>(patch.cables.size())));
    const auto found = static_cast<int>(std::ranges::count_if(checker_.findings(), isProblem));
    facts << (!checker_.upToDate() && checker_.settled() ? tr("not checked")
              : !checker_.knows()                        ? tr("looking…")
              : found == 0 && std::ranges::count(checker_.findings(), Severity::Next, &Finding::severity) > 0
                  ? tr("not finished yet")
              : found == 0 ? tr("nothing found wrong")
              : found == 1 ? tr("1 finding")
                           : tr("%1 findings").arg(found));
    if (!checker_.problem().isEmpty()) facts.last() = checker_.problem();
    for (const Sentence& fact : unknownFacts(patch, document_.library())) facts << said(fact);
    summary_->setFont(textFont(13));
    summary_->setStyleSheet(QStringLiteral("color: %1").arg(look().softInk.name()));
    summary_->setText(facts.join(QStringLiteral(" · ")));
    summary_->setToolTip(summary_->text()); // a narrow window cuts it
}

void MainWindow::refreshTitle() {
    const QString name = document_.file().isEmpty() ? tr("not saved yet") : QFileInfo(document_.file()).fileName();
    setWindowTitle(tr("%1[*] (%2) – Lariat").arg(q(document_.patch().title).left(80), name));
    setWindowModified(!document_.history().isClean());
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
    else if (files_->mayLeave())
        files_->open(file);
}

} // namespace lariat
