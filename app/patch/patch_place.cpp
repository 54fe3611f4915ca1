#include "patch/patch_place.h"

#include "building/flow.h"
#include "building/path.h"
#include "library/midi_file.h"
#include "library/tie.h"
#include "look/fonts.h"
#include "look/text.h"
#include "patch/chart_map.h"
#include "patch/plug_warning.h"

#include <QAction>
#include <QFileDialog>
#include <QFileInfo>
#include <QHBoxLayout>
#include <QInputDialog>
#include <QKeyEvent>
#include <QVBoxLayout>

#include <algorithm>

namespace lariat {
namespace {

constexpr qreal kZoomStep = 1.2;

bool hasOutput(const PartInfo& part) {
    return std::ranges::any_of(part.jacks, &JackInfo::output);
}

} // namespace

PatchPlace::PatchPlace(const Session& session, QWidget* parent) : Place(parent), session_(session) {
    auto* across = new QHBoxLayout(this);
    across->setContentsMargins(0, 0, 0, 0);
    across->setSpacing(0);
    auto* column = new QVBoxLayout;
    column->setSpacing(0);
    chart_ = new Chart(session.document, session.sound, session.checker, this);
    panel_ = new SidePanel(session, *chart_, this);
    tieLine_ = new TieLine(session);
    keys_ = new KeyStrip(session.sound);
    steps_ = new StepBar(session, *chart_);
    building_ = new BuildingActions(session, *chart_, this);
    part_ = new QFrame;
    auto* partLine = new QHBoxLayout(part_);
    partLine->setContentsMargins(16, 6, 16, 6);
    partText_ = new QLabel;
    partText_->setFont(textFont(13));
    auto* all = new QPushButton(tr("Show all"));
    all->setObjectName(QStringLiteral("show-all"));
    partLine->addWidget(partText_, 1);
    partLine->addWidget(all);
    auto* mapped = new QHBoxLayout;
    mapped->setSpacing(0);
    mapped->addWidget(chart_, 1);
    mapped->addWidget(new ChartMap(*chart_));
    column->addWidget(part_);
    column->addLayout(mapped, 1);
    column->addWidget(steps_);
    column->addWidget(keys_);
    across->addLayout(column, 1);
    across->addWidget(panel_);
    part_->hide();
    keys_->hide();
    setFocusProxy(chart_);
    connect(all, &QPushButton::clicked, this, &PatchPlace::showAll);
    connect(chart_, &Chart::tieRequested, this, &PatchPlace::chooseJacks);
    connect(chart_, &Chart::moveRequested, building_, &BuildingActions::moveEnd);
    connect(chart_, &Chart::menuRequested, building_, &BuildingActions::showMenu);
    connect(chart_, &Chart::headingMenuRequested, building_, &BuildingActions::showHeadingMenu);
    connect(chart_, &Chart::fixRequested, this, &PatchPlace::applyFix);
    connect(chart_, &Chart::viewChanged, this, [this] { part_->setVisible(chart_->showsPart()); });
    connect(panel_, &SidePanel::fixRequested, this, &PatchPlace::applyFix);
    connect(panel_, &SidePanel::dismissRequested, this, &PatchPlace::dismiss);
    connect(panel_, &SidePanel::message, this, &Place::message);
    connect(building_, &BuildingActions::message, this, &Place::message);
    connect(tieLine_, &TieLine::message, this, &Place::message);
    connect(tieLine_, &TieLine::tied, chart_, &Chart::selectCable);
}

void PatchPlace::keyPressEvent(QKeyEvent* event) {
    if (event->key() != Qt::Key_Escape)
        Place::keyPressEvent(event);
    else if (!inspector().pending().post.empty())
        inspector().forgetPending();
    else
        showAll();
}

void PatchPlace::addActions(const Menus& menus) {
    building_->addTo(menus.patch);
    menus.patch.addSeparator();
    menus.patch.addAction(tr("&Tie a cable"), this, [this] { tieLine_->setFocus(Qt::ShortcutFocusReason); })
        ->setShortcut(QKeySequence(QStringLiteral("Ctrl+T")));
    menus.patch.addAction(tr("&Play from a MIDI file…"), this, [this] { playMidiFile(); });
    menus.edit.addSeparator();
    menus.edit.addAction(tr("Choose all &rows"), chart_, &Chart::selectAll)->setShortcut(QKeySequence::SelectAll);
    addViews(menus.view);
    addHearing(menus.sound);
}

void PatchPlace::addViews(QMenu& view) {
    const auto toggle = [&](const QString& text, const char* keys, bool on, auto&& run) {
        QAction* action = view.addAction(text);
        action->setShortcut(QKeySequence(QString::fromLatin1(keys)));
        action->setCheckable(true);
        action->setChecked(on);
        connect(action, &QAction::toggled, this, run);
        return action;
    };
    const auto add = [&](const QString& text, const char* keys, auto&& run) {
        view.addAction(text, this, run)->setShortcut(QKeySequence(QString::fromLatin1(keys)));
    };
    toggle(tr("&Compact rows"), "Ctrl+K", false, [this](bool on) { chart_->setCompact(on); });
    toggle(tr("Wires &behind the panel"), "Ctrl+B", true, [this](bool on) { chart_->setShowsNormals(on); });
    toggle(tr("Hold the &traces"), "Ctrl+H", false, [this](bool on) { chart_->setFrozen(on); });
    view.addSeparator();
    add(tr("&Larger rows"), "Ctrl++", [this] { chart_->setZoom(chart_->zoom() * kZoomStep); });
    add(tr("&Smaller rows"), "Ctrl+-", [this] { chart_->setZoom(chart_->zoom() / kZoomStep); });
    add(tr("Rows as &usual"), "Ctrl+0", [this] { chart_->setZoom(1.0); });
    view.addSeparator();
    add(tr("Only the &path of this cable or post"), "Ctrl+Shift+P", [this] { showPath(); });
    add(tr("Only this &voice"), "Ctrl+Shift+O", [this] { showVoice(); });
    add(tr("The &whole patch"), "Ctrl+Shift+W", [this] { showAll(); });
    QAction* walk = toggle(tr("Build &row by row"), "Ctrl+Shift+B", false, [this](bool on) {
        if (on != steps_->active()) steps_->setActive(on);
    });
    connect(steps_, &StepBar::activeChanged, walk, &QAction::setChecked);
    add(tr("Row by row: &next"), "Ctrl+Shift+N",
        [this] { steps_->active() ? steps_->go(1) : steps_->setActive(true); });
    add(tr("Row by row: bac&k"), "Ctrl+Shift+M", [this] {
        if (steps_->active()) steps_->go(-1);
    });
    view.addSeparator();
    add(tr("What is ch&osen"), "Ctrl+Shift+1", [this] { panel_->setCurrentIndex(0); });
    add(tr("All &findings"), "Ctrl+Shift+2", [this] { panel_->setCurrentIndex(1); });
    add(tr("Settings &A and B"), "Ctrl+Shift+3", [this] { panel_->setCurrentIndex(2); });
}

void PatchPlace::addHearing(QMenu& sound) {
    const auto add = [&](const QString& text, const char* keys, auto&& run) {
        QAction* action = sound.addAction(text, this, run);
        action->setShortcut(QKeySequence(QString::fromLatin1(keys)));
        return action;
    };
    Listening& listening = session_.sound.listening();
    const auto chosen = [this]() -> const Cable* {
        const Cable* cable = session_.document.patch().cable(chart_->selectedCable());
        if (!cable) Q_EMIT message(tr("Choose a row of the chart first."), true);
        return cable;
    };
    sound.addSeparator();
    QList<QAction*> ofRow;
    ofRow << add(tr("Silence the &row, or let it sound"), "Ctrl+M", [&listening, this, chosen] {
        if (!chosen()) return;
        for (const int cable : chart_->selectedCables()) listening.silenceRow(cable, !listening.rowSilenced(cable));
    }) << add(tr("&Listen to this cable, or to the way out again"), "Ctrl+L", [&listening, this, chosen] {
        const Cable* cable = chosen();
        if (!cable) return;
        const bool on = listening.listened() != cable->id;
        listening.listenTo(on ? cable->id : 0);
        Q_EMIT message(on ? tr("You hear this cable alone, without DC and at half its voltage.")
                          : tr("You hear the way out again."),
                       false);
    });
    add(tr("Silence this &voice, or let it sound"), "Ctrl+Shift+Y", [&listening, chosen] {
        if (const Cable* cable = chosen()) listening.silenceVoice(cable->voice, !listening.voiceSilenced(cable->voice));
    });
    add(tr("&Hear this voice alone, or all"), "Ctrl+Shift+L", [&listening, chosen] {
        if (const Cable* cable = chosen())
            listening.soloVoice(listening.solo() == cable->voice ? std::string() : cable->voice);
    });
    add(tr("Let &everything sound"), "Ctrl+Shift+U", [&listening] { listening.everythingAgain(); });
    building_->alsoShow(ofRow);
    sound.addSeparator();
    QAction* keys = add(tr("&Keys to play on"), "Ctrl+Shift+K", [] {});
    keys->setCheckable(true);
    connect(keys, &QAction::toggled, this, [this](bool on) {
        keys_->setVisible(on);
        if (on) keys_->setFocus();
        const auto plays = [&](const Post& post) {
            const PartInfo* part = session_.document.library().part(post);
            return part->has("keys") || part->has("midi-to-cv");
        };
        if (on && std::ranges::none_of(session_.document.patch().posts, plays))
            Q_EMIT message(
                tr("This patch has no keys and no MIDI converter that could be played. Add one with Ctrl+E."), true);
    });
}

void PatchPlace::showAll() {
    chart_->showOnly({});
    session_.document.setUntilRow(0);
}

/// Everything that reaches what is chosen, and everything that it reaches.
void PatchPlace::showPath() {
    const Patch& patch = session_.document.patch();
    const Library& library = session_.document.library();
    std::set<int> cables;
    QString what;
    if (const Cable* cable = patch.cable(chart_->selectedCable())) {
        for (const int id : pathThrough(patch, library, cable->from)) cables.insert(id);
        what = q(tieName(cable->from, patch, library));
    } else if (const Post* post = patch.post(chart_->selectedPost())) {
        for (const JackInfo& jack : library.part(*post)->jacks)
            for (const int id : pathThrough(patch, library, {post->id, jack.id})) cables.insert(id);
        what = q(post->name);
    }
    if (cables.empty()) {
        Q_EMIT message(tr("Choose a row or a post first; its path is what reaches it and what it reaches."), true);
        return;
    }
    partText_->setText(
        tr("Only the path of %1: %2 of %3 cables").arg(what).arg(cables.size()).arg(patch.cables.size()));
    chart_->showOnly(std::move(cables));
}

void PatchPlace::showVoice() {
    const Patch& patch = session_.document.patch();
    const Cable* cable = patch.cable(chart_->selectedCable());
    const Post* post = patch.post(chart_->selectedPost());
    const std::string voice = cable ? cable->voice : post ? post->voice : std::string();
    std::set<int> cables;
    for (const Cable& one : patch.cables)
        if (one.voice == voice) cables.insert(one.id);
    if (voice.empty() || cables.empty()) {
        Q_EMIT message(tr("Choose a row or a post of the voice first."), true);
        return;
    }
    partText_->setText(tr("Only %1: %2 of %3 cables").arg(q(voice)).arg(cables.size()).arg(patch.cables.size()));
    chart_->showOnly(std::move(cables));
}

/// What is played at the chosen post becomes what a MIDI file holds.
void PatchPlace::playMidiFile() {
    const Post* post = session_.document.patch().post(chart_->selectedPost());
    const PartInfo* part = post ? session_.document.library().part(*post) : nullptr;
    if (!part || !(part->has("keys") || part->has("midi-to-cv") || part->has("pad"))) {
        Q_EMIT message(tr("Choose keys, a MIDI converter or a pad first; they are what can be played."), true);
        return;
    }
    const QString file =
        QFileDialog::getOpenFileName(this, tr("Play from a MIDI file"), {}, tr("MIDI files (*.mid *.midi)"));
    if (file.isEmpty()) return;
    auto played = readMidiFile(file.toStdString(), post->id);
    if (!played) {
        Q_EMIT message(q(played.error().text()), true);
        return;
    }
    session_.document.apply({SetPerformance{std::move(*played)}}, tr("play %1").arg(QFileInfo(file).fileName()));
}

void PatchPlace::chooseJacks(const std::string& from, const std::string& to, const QPoint& where) {
    const Post& post = *session_.document.patch().post(from);
    const bool forward = hasOutput(*session_.document.library().part(post));
    chooser_ = new JackChooser(session_, forward ? from : to, forward ? to : from, this);
    connect(chooser_, &JackChooser::chosen, this, [this](const JackRef& output, const JackRef& input) {
        const Patch& patch = session_.document.patch();
        const auto tie = makeTie(output, input, patch, session_.document.library());
        if (!tie) {
            Q_EMIT message(q(tie.error().reason), true);
            return;
        }
        const QString name = tr("tie %1 to %2")
                                 .arg(q(tieName(output, patch, session_.document.library())),
                                      q(tieName(input, patch, session_.document.library())));
        const QString broken = plugWarning(patch, session_.document.library(), output, input);
        if (!session_.document.apply(withNewcomersPlaced(patch, {*tie}), name)) return;
        chart_->selectCable(session_.document.patch().cableInto(input)->id);
        if (!broken.isEmpty()) Q_EMIT message(broken, false);
    });
    connect(chooser_, &QObject::destroyed, chart_, qOverload<>(&QWidget::setFocus));
    chooser_->adjustSize();
    // Beside the pointer, but within the window.
    const QRect frame(window()->mapToGlobal(QPoint(0, 0)), window()->size());
    const QPoint corner(
        std::clamp(where.x() + 8, frame.left() + 8, std::max(frame.left() + 8, frame.right() - chooser_->width() - 8)),
        std::clamp(where.y() + 8, frame.top() + 8, std::max(frame.top() + 8, frame.bottom() - chooser_->height() - 8)));
    chooser_->move(corner);
    chooser_->show();
}

void PatchPlace::applyFix(const Finding& finding, std::size_t fix) {
    chart_->setPreview({});
    if (fix >= finding.fixes.size()) return;
    const QString label = said(finding.fixes[fix].label);
    if (session_.document.apply(finding.fixes[fix].edits, label))
        Q_EMIT message(tr("%1: done. Ctrl+Z takes it back.").arg(label), false);
}

/// The patch remembers that this is meant, and why.
void PatchPlace::dismiss(const Finding& finding) {
    bool ok = false;
    const QString reason = QInputDialog::getText(
        this, tr("Keep it as it is"), tr("Why is it meant? %1").arg(said(finding.figure)), QLineEdit::Normal, {}, &ok);
    if (!ok) return;
    const Dismissal kept{finding.rule, finding.cable, finding.post,
                         reason.trimmed().isEmpty() ? tr("it is meant").toStdString() : reason.trimmed().toStdString()};
    session_.document.apply({DismissFinding{kept}}, tr("keep a finding as it is"));
}

} // namespace lariat
