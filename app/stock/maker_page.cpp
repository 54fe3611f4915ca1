#include "stock/maker_page.h"

#include "look/fonts.h"
#include "look/text.h"
#include "maker/keep_module.h"
#include "model/file.h"
#include "shell/finder.h"
#include "shell/place.h"
#include "shell/theme.h"
#include "stock/stand_session.h"
#include "widgets/file_dialog.h"
#include "widgets/plain.h"

#include <QFileInfo>
#include <QHBoxLayout>
#include <QKeyEvent>
#include <QScrollArea>
#include <QSplitter>

#include <algorithm>

#include <fmt/format.h>

namespace lariat {
namespace {

constexpr int kDelayMilliseconds = 350;
constexpr int kDraftMilliseconds = 1500;
constexpr int kTurningMilliseconds = 300; ///< since a knob was turned last
constexpr int kShownFaults = 6;

const char* const kFirstLines = "module New module\n"
                                "10 HP, 40 mA on +12 V, 40 mA on -12 V\n"
                                "\n"
                                "part Voice\n"
                                "osc is a vco\n"
                                "vca is a vca, with offset 50 %\n"
                                "osc saw to vca in\n"
                                "jack v/oct (voct) is osc voct\n"
                                "jack level is vca lin cv\n"
                                "jack out is vca out\n"
                                "knob Tune is osc fine\n"
                                "main Tune\n";

} // namespace

MakerPage::MakerPage(const Session& session, ChartOfStand chart, QWidget* parent)
    : QWidget(parent), session_(session), makeChart_(chart) {
    auto* column = new QVBoxLayout(this);
    column->setContentsMargins(16, 8, 0, 0);
    column->setSpacing(8);
    auto* bar = new QHBoxLayout;
    bar->setContentsMargins(0, 0, 16, 0);
    auto* back = plainButton(tr("Back to the case"), "maker-back");
    head_ = new QLabel;
    head_->setFont(textFont(14, true));
    head_->setSizePolicy(QSizePolicy::Ignored, QSizePolicy::Preferred);
    view_ = new QComboBox;
    view_->setObjectName(QStringLiteral("maker-view"));
    view_->setMinimumWidth(120); // on a narrow window its words are cut before a button is
    view_->setAccessibleName(tr("How the module is seen on the stand"));
    view_->addItem(tr("On the stand: its panel"));
    view_->addItem(tr("On the stand: behind the panel"));
    addBlock_ = plainButton(tr("Add a block…"), "maker-add");
    takeOut_ = plainButton(tr("Take it out"), "maker-take-out");
    takeOut_->setToolTip(tr("Takes the chosen block out, with its wires and what stands on the panel for it"));
    play_ = plainButton(tr("Stop the stand"), "maker-play");
    export_ = plainButton(tr("To a file…"), "maker-export");
    keep_ = plainButton(tr("Keep it among my modules"), "maker-keep");
    bar->addWidget(back);
    bar->addWidget(head_, 1);
    bar->addWidget(export_);
    bar->addWidget(keep_);
    column->addLayout(bar);

    auto* left = new QWidget;
    auto* leftList = new QVBoxLayout(left);
    leftList->setContentsMargins(0, 0, 0, 8);
    leftList->setSpacing(6);
    lines_ = new ModuleLines;
    leftList->addWidget(lines_, 1);
    auto* wrong = new QWidget;
    faults_ = new QVBoxLayout(wrong);
    faults_->setContentsMargins(0, 0, 0, 0);
    faults_->setSpacing(2);
    leftList->addWidget(wrong);
    hint_ = new QLabel;
    hint_->setObjectName(QStringLiteral("maker-hint"));
    hint_->setFont(textFont(12));
    hint_->setWordWrap(true);
    hint_->setTextInteractionFlags(Qt::TextSelectableByMouse);
    leftList->addWidget(hint_);
    right_ = new QWidget;
    rightList_ = new QVBoxLayout(right_);
    rightList_->setContentsMargins(0, 0, 0, 0);
    rightList_->setSpacing(4);
    auto* ofStand = new QHBoxLayout; // above what it is about, so that the page's own bar stays narrow
    ofStand->setContentsMargins(8, 0, 16, 0);
    ofStand->addWidget(view_);
    ofStand->addWidget(addBlock_);
    ofStand->addWidget(takeOut_);
    ofStand->addStretch(1);
    ofStand->addWidget(play_);
    rightList_->addLayout(ofStand);
    auto* across = new QSplitter(Qt::Horizontal);
    across->setChildrenCollapsible(false);
    across->addWidget(left);
    across->addWidget(right_);
    across->setStretchFactor(0, 1); // a narrow window takes from both
    across->setStretchFactor(1, 2);
    across->setSizes({340, 820});
    column->addWidget(across, 1);
    setFocusProxy(lines_);

    delay_.setSingleShot(true);
    delay_.setInterval(kDelayMilliseconds);
    drafts_.setSingleShot(true);
    drafts_.setInterval(kDraftMilliseconds);
    connect(&delay_, &QTimer::timeout, this, &MakerPage::look);
    connect(&drafts_, &QTimer::timeout, this, &MakerPage::keepDraft);
    turning_.setSingleShot(true);
    turning_.setInterval(kTurningMilliseconds);
    connect(&turning_, &QTimer::timeout, this, [this] { follow(true); });
    connect(lines_, &QPlainTextEdit::textChanged, this, [this] {
        delay_.start();
        drafts_.start();
    });
    connect(lines_, &QPlainTextEdit::cursorPositionChanged, this, &MakerPage::showHint);
    connect(back, &QPushButton::clicked, this, &MakerPage::leave);
    connect(addBlock_, &QPushButton::clicked, this, &MakerPage::addBlock);
    connect(takeOut_, &QPushButton::clicked, this, &MakerPage::takeBlockOut);
    connect(keep_, &QPushButton::clicked, this, &MakerPage::keep);
    connect(export_, &QPushButton::clicked, this, &MakerPage::exportFile);
    connect(view_, &QComboBox::activated, this, [this] {
        finishTurning();
        module_.reset(); // so that it is put on the stand anew
        look();
    });
    connect(play_, &QPushButton::clicked, this, [this] {
        Sound& sound = stand_->session().sound;
        sound.setRunning(!sound.engine().running());
    });
}

MakerPage::~MakerPage() = default; // what is not kept was written when the page was hidden

const Session* MakerPage::stand() const {
    return stand_ ? &stand_->session() : nullptr;
}

/// Only once somebody makes a module: it is a second engine.
void MakerPage::makeStandOnce() {
    if (stand_) return;
    stand_ = new StandSession(this);
    place_ = makeChart_(stand_->session());
    auto* line = new QHBoxLayout;
    line->setContentsMargins(8, 0, 16, 0);
    line->addWidget(place_->tool());
    rightList_->addLayout(line);
    rightList_->addWidget(place_, 1);
    connect(place_, &Place::message, this, &MakerPage::message);
    connect(&stand_->session().sound, &Sound::message, this, &MakerPage::message);
    connect(&stand_->session().document, &Document::refused, this,
            [this](const QString& reason) { Q_EMIT message(reason, true); });
    connect(&stand_->session().document, &Document::changed, this, [this] { follow(false); });
    connect(&stand_->session().sound, &Sound::runningChanged, this,
            [this](bool on) { play_->setText(on ? tr("Stop the stand") : tr("Let the stand play")); });
}

QString MakerPage::draftFile() const {
    const std::filesystem::path own = session_.document.workspace().own;
    if (own.empty()) return {};
    return q((own / "drafts" / (begunFrom_.empty() ? "new" : begunFrom_)).string()) + QStringLiteral(".txt");
}

void MakerPage::begin(const std::string& module, std::optional<StandView> view) {
    if (view) view_->setCurrentIndex(*view == StandView::Panel ? 0 : 1);
    Extra extra;
    QString text = QString::fromUtf8(kFirstLines);
    if (const ModuleInfo* known = session_.document.library().module(module)) {
        ModuleDescription copy = known->description;
        extra = copy.extra;
        std::error_code problem;
        const std::filesystem::path own = session_.document.workspace().own;
        if (own.empty() || !std::filesystem::exists(moduleFile(own, module), problem)) {
            // A shipped one stays as it is: a copy gets a name of its own.
            for (int n = 2; session_.document.library().module(copy.id); ++n) {
                copy.id = fmt::format("{}-{}", module.substr(0, 55), n);
                copy.name = fmt::format("{} {}", known->description.name, n);
            }
        }
        text = q(writeModuleText(copy));
    }
    beginWith(module, text, extra);
}

void MakerPage::beginFromFile(const QString& file) {
    const auto read = readModuleFile(file.toStdString());
    if (!read) {
        Q_EMIT message(said(read.error()), true);
        Q_EMIT ended();
        return;
    }
    beginWith(session_.document.library().module(read->description.id) ? read->description.id : std::string(),
              q(writeModuleText(read->description)), read->description.extra);
}

void MakerPage::beginWith(const std::string& from, QString text, const Extra& extra) {
    if (session_.sound.recording()) {
        Q_EMIT message(tr("The test stand needs the sound device: end the recording first."), true);
        Q_EMIT ended();
        return;
    }
    finishTurning();
    keepDraft();
    makeStandOnce();
    active_ = true;
    module_.reset();
    begunFrom_ = from;
    extra_ = extra;
    bool draft = false;
    if (const QString file = draftFile(); !file.isEmpty() && QFileInfo::exists(file))
        if (const auto kept = readFile(file.toStdString()); kept && q(*kept) != text) {
            text = q(*kept);
            draft = true;
        }
    lines_->setPlainText(text);
    lines_->moveCursor(QTextCursor::Start);
    drafts_.stop();
    takeSound();
    look();
    showHint();
    lines_->setFocus();
    if (draft)
        Q_EMIT message(tr("These are the lines that were left here unfinished. Take everything out to begin anew."),
                       false);
}

/// What was not kept as a module is kept as lines.
void MakerPage::keepDraft() {
    drafts_.stop();
    const QString file = draftFile();
    if (!active_ || file.isEmpty()) return;
    const std::string text = lines_->toPlainText().toStdString();
    std::error_code problem;
    const auto trimmedText = lines_->toPlainText().trimmed();
    // What stands on the stand may be older than the lines: these are what counts.
    const ModuleText now = readModuleText(text, extra_);
    const ModuleInfo* kept = now.module ? session_.document.library().module(now.module->id) : nullptr;
    if (trimmedText.isEmpty() || trimmedText == QString::fromUtf8(kFirstLines).trimmed() ||
        (kept && kept->description == *now.module)) {
        std::filesystem::remove(file.toStdString(), problem);
        return;
    }
    std::filesystem::create_directories(std::filesystem::path(file.toStdString()).parent_path(), problem);
    if (const auto written = writeFile(file.toStdString(), text, FileKind::Text); !written)
        Q_EMIT message(said(written.error()), true);
}

/// One more of any block there is, beside the chosen one; it goes into the lines, and stands there to be tied.
void MakerPage::addBlock() {
    finishTurning();
    Document& document = stand_->session().document;
    Finder finder(tr("Add a block"), tr("Type what it is: VCO, filter, contour …"), window());
    const Post* beside = document.patch().post(stand_->session().selection.post());
    const std::string voice = beside ? beside->voice : std::string();
    for (const BlockType& type : blockTypes())
        finder.add(q(type.name), [&document, &type, voice] {
            const Post post = postFromShelf(document.patch(), document.library(), type, voice);
            document.apply({AddPost{post}}, tr("add %1").arg(q(post.name)));
        });
    finder.exec();
}

void MakerPage::takeBlockOut() {
    finishTurning();
    Document& document = stand_->session().document;
    const Post* post = document.patch().post(stand_->session().selection.post());
    if (!post || !isBlockOnStand(post->id)) {
        Q_EMIT message(tr("Choose a block of the module first: what plays it stays on the stand."), true);
        return;
    }
    document.apply({RemovePost{post->id}}, tr("take %1 out").arg(q(post->name)));
}

void MakerPage::showTools() {
    const bool behind = view_->currentIndex() == 1;
    addBlock_->setVisible(behind);
    takeOut_->setVisible(behind);
}

/// What was turned just now is in the lines before they are looked at.
void MakerPage::finishTurning() {
    if (!turning_.isActive()) return;
    turning_.stop();
    follow(true);
}

void MakerPage::leave() {
    finishTurning();
    keepDraft();
    active_ = false;
    giveSoundBack();
    Q_EMIT ended();
}

/// One device, one sound: the stand has it while its page is seen.
void MakerPage::takeSound() {
    if (hasSound_ || !stand_ || !active_) return;
    hasSound_ = true;
    device_ = session_.sound.deviceName();
    session_.sound.closeDevice();
    Sound& sound = stand_->session().sound;
    sound.setMonitorDecibels(session_.sound.monitorDecibels());
    sound.setBlockFrames(session_.sound.blockFrames());
    sound.openDevice(device_);
    sound.setRunning(true);
}

void MakerPage::giveSoundBack() {
    if (!hasSound_) return;
    hasSound_ = false;
    stand_->session().sound.setRunning(false);
    stand_->session().sound.closeDevice();
    if (session_.sound.deviceName().isEmpty()) session_.sound.openDevice(device_); // else somebody chose another one
}

void MakerPage::showEvent(QShowEvent* event) {
    QWidget::showEvent(event);
    if (active_ && session_.sound.recording())
        leave();
    else
        takeSound();
}

void MakerPage::hideEvent(QHideEvent* event) {
    QWidget::hideEvent(event);
    keepDraft();
    if (!event->spontaneous()) giveSoundBack(); // a window that is put away goes on playing what it plays
}

/// Undo and redo are those of the stand while its chart has the keyboard.
bool MakerPage::event(QEvent* event) {
    if (event->type() == QEvent::ShortcutOverride) {
        auto* key = static_cast<QKeyEvent*>(event);
        if (key->matches(QKeySequence::Undo) || key->matches(QKeySequence::Redo)) {
            event->accept();
            return true;
        }
    }
    return QWidget::event(event);
}

void MakerPage::keyPressEvent(QKeyEvent* event) {
    if (stand_ && event->matches(QKeySequence::Undo))
        stand_->session().document.history().undo();
    else if (stand_ && event->matches(QKeySequence::Redo))
        stand_->session().document.history().redo();
    else
        QWidget::keyPressEvent(event);
}

/// Reads the lines; a module without a fault goes onto the stand at once.
void MakerPage::look() {
    delay_.stop();
    if (!active_) return;
    const ModuleText read = readModuleText(lines_->toPlainText().toStdString(), extra_);
    lines_->showFaults(read.faults);
    showFaults(read.faults);
    keep_->setEnabled(read.module.has_value());
    export_->setEnabled(read.module.has_value());
    showTools();
    addBlock_->setEnabled(read.module.has_value());
    takeOut_->setEnabled(read.module.has_value());
    if (!read.module) return;
    auto resolved = resolveModule(*read.module);
    if (!resolved || (module_ && module_->description == resolved->description)) return;
    module_ = std::move(*resolved);
    head_->setText(tr("%1, %2 HP").arg(q(module_->description.name)).arg(module_->description.hp));
    head_->setToolTip(head_->text()); // where the window is narrow, it is cut
    staging_ = true;
    stand_->stand(*module_, session_.document.library(),
                  view_->currentIndex() == 0 ? StandView::Panel : StandView::Behind);
    staging_ = false;
}

/// What is tied, taken out, added or turned behind the panel, and what is calibrated, is written into the lines.
void MakerPage::follow(bool settled) {
    if (staging_ || !module_) return;
    const ModuleDescription changed = stand_->changed(*module_);
    if (changed == module_->description) {
        turning_.stop();
        return;
    }
    bool other = false; // blocks: the stand is built anew
    bool wired = false;
    for (std::size_t p = 0; p < changed.parts.size(); ++p) {
        const PartDescription& before = module_->description.parts[p];
        other = other || !std::ranges::equal(changed.parts[p].blocks, before.blocks, {}, &BlockUse::id, &BlockUse::id);
        wired = wired || changed.parts[p].wires != before.wires;
    }
    if (!other && !wired && !settled) { // a knob on its way
        turning_.start();
        return;
    }
    if (delay_.isActive()) {
        const ModuleText now = readModuleText(lines_->toPlainText().toStdString(), extra_);
        if (!now.module || !(*now.module == module_->description)) {
            Q_EMIT message(tr("The lines are being changed: do it again once they hold."), true);
            return;
        }
    }
    auto resolved = resolveModule(changed);
    if (!resolved) {
        Q_EMIT message(said(resolved.error()), true);
        return;
    }
    if (!other) module_ = std::move(*resolved); // the stand has it already
    lines_->exchange(q(writeModuleText(changed)));
    delay_.stop();
    if (other) QMetaObject::invokeMethod(this, &MakerPage::look, Qt::QueuedConnection);
    Q_EMIT message(tr("It is in the lines."), false);
}

QString MakerPage::faultText() const {
    QStringList all;
    for (int i = 0; i < faults_->count(); ++i)
        if (const auto* button = qobject_cast<QPushButton*>(faults_->itemAt(i)->widget())) all << button->text();
    return all.join(QLatin1Char('\n'));
}

void MakerPage::showFaults(const std::vector<Fault>& faults) {
    emptyLayout(faults_);
    for (std::size_t i = 0; i < faults.size() && i < kShownFaults; ++i) {
        const Fault& fault = faults[i];
        const QString text =
            fault.line > 0 ? tr("Line %1: %2").arg(fault.line).arg(said(fault.reason)) : said(fault.reason);
        auto* button = plainButton(text, "maker-fault");
        button->setFlat(true);
        button->setStyleSheet(QStringLiteral("text-align: left; color: %1").arg(lariat::look().alarm.name()));
        button->setToolTip(text);
        button->setSizePolicy(QSizePolicy::Ignored, QSizePolicy::Fixed);
        connect(button, &QPushButton::clicked, this, [this, line = fault.line] { lines_->goToLine(line); });
        faults_->addWidget(button);
    }
    if (faults.size() > kShownFaults)
        faults_->addWidget(plainLabel(tr("and %n more", nullptr, static_cast<int>(faults.size()) - kShownFaults),
                                      lariat::look().alarm));
    if (faults.empty())
        faults_->addWidget(plainLabel(tr("It holds, and stands on the stand."), lariat::look().softInk));
}

void MakerPage::showHint() {
    hint_->setStyleSheet(QStringLiteral("color: %1").arg(lariat::look().softInk.name()));
    const std::string hint = hintFor(lines_->toPlainText().toStdString(), lines_->line());
    hint_->setText(hint.empty()
                       ? tr("Before the first part: module, id, about, noise, and the width with its currents, as "
                            "10 HP, 45 mA on +12 V, 40 mA on -12 V")
                       : q(hint));
}

void MakerPage::keep() {
    finishTurning();
    look();
    if (!keep_->isEnabled() || !module_) return;
    const std::string id = module_->description.id;
    const bool fresh = !session_.document.library().module(id);
    std::error_code problem;
    const std::filesystem::path own = session_.document.workspace().own;
    if (!fresh && begunFrom_ != id) {
        Q_EMIT message(tr("There is a module %1 already: give this one another name, or a line \"id …\".").arg(q(id)),
                       true);
        return;
    }
    if (!session_.document.changeModule(*module_, tr("change a module"))) return;
    const QString draft = draftFile();
    begunFrom_ = id;
    if (!draft.isEmpty()) std::filesystem::remove(draft.toStdString(), problem);
    Q_EMIT message(
        fresh ? tr("%1 is among your modules; add it to a case with Add a module.").arg(q(module_->description.name))
              : tr("%1 is changed, here and in your folder.").arg(q(module_->description.name)),
        false);
}

void MakerPage::exportFile() {
    finishTurning();
    look();
    if (!export_->isEnabled() || !module_) return;
    const QString file =
        askWhereToSave(this, tr("Module to a file"), q(module_->description.id) + QStringLiteral(".json"),
                       tr("Modules (*.json)"), {QStringLiteral(".json")});
    if (file.isEmpty()) return;
    if (const auto written = writeFile(file.toStdString(), writeModule(module_->description), FileKind::Document);
        !written)
        Q_EMIT message(said(written.error()), true);
    else
        Q_EMIT message(tr("%1 is in %2.").arg(q(module_->description.name), file), false);
}

} // namespace lariat
