#include "patch/patch_place.h"

#include "building/flow.h"
#include "building/path.h"
#include "library/midi_file.h"
#include "library/tie.h"
#include "look/fonts.h"
#include "look/text.h"
#include "patch/chart_accessible.h"
#include "patch/chart_map.h"
#include "widgets/accessible.h"
#include "widgets/plug_warning.h"

#include <QAccessible>
#include <QAction>
#include <QFileDialog>
#include <QFileInfo>
#include <QHBoxLayout>
#include <QInputDialog>
#include <QKeyEvent>
#include <QMessageBox>
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
    speakToScreenReaders();
    QAccessible::installFactory(accessibleChart); // once more does no harm
    auto* across = new QHBoxLayout(this);
    across->setContentsMargins(0, 0, 0, 0);
    across->setSpacing(0);
    auto* column = new QVBoxLayout;
    column->setSpacing(0);
    chart_ = new Chart(session, this);
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
    connect(chart_, &Chart::viewChanged, this, [this] {
        const bool wasPart = !part_->isHidden();
        part_->setVisible(chart_->showsPart());
        if (wasPart && !chart_->showsPart()) panel_->findings().showWalk(std::nullopt);
    });
    connect(panel_, &SidePanel::fixRequested, this, &PatchPlace::applyFix);
    connect(panel_, &SidePanel::dismissRequested, this, &PatchPlace::dismiss);
    connect(panel_, &SidePanel::walkRequested, this, &PatchPlace::showWalk);
    connect(panel_, &SidePanel::message, this, &Place::message);
    connect(building_, &BuildingActions::message, this, &Place::message);
    connect(tieLine_, &TieLine::message, this, &Place::message);
    connect(tieLine_, &TieLine::tied, &session_.selection, &Selection::chooseCable);
}

void PatchPlace::keyPressEvent(QKeyEvent* event) {
    if (event->key() != Qt::Key_Escape)
        Place::keyPressEvent(event);
    else if (session_.controllers.learning()) {
        session_.controllers.stopLearning();
        Q_EMIT message(tr("No controller is learned."), false);
    } else if (!inspector().pending().post.empty())
        inspector().forgetPending();
    else
        showAll();
}

void PatchPlace::addActions(const Menus& menus) {
    building_->addTo(menus.patch);
    menus.patch.addSeparator();
    addNamed(menus.patch, "tie", tr("&Tie a cable"), this, [this] { tieLine_->setFocus(Qt::ShortcutFocusReason); });
    addNamed(menus.patch, "play-midi", tr("&Play from a MIDI file…"), this, [this] { playMidiFile(); });
    menus.edit.addSeparator();
    addNamed(menus.edit, "choose-all", tr("Choose all &rows"), this, [this] { chart_->selectAll(); });
    addViews(menus.view);
    addHearing(menus.sound);
}

void PatchPlace::addViews(QMenu& view) {
    const auto toggle = [&](const char* name, const QString& text, bool on, auto&& run) {
        QAction* action = addNamed(view, name, text, this, [] {});
        action->setCheckable(true);
        action->setChecked(on);
        connect(action, &QAction::toggled, this, run);
        return action;
    };
    const auto add = [&](const char* name, const QString& text, auto&& run) { addNamed(view, name, text, this, run); };
    toggle("compact", tr("&Compact rows"), false, [this](bool on) { chart_->setCompact(on); });
    toggle("normals", tr("Wires &behind the panel"), true, [this](bool on) { chart_->setShowsNormals(on); });
    QAction* hold =
        toggle("hold-traces", tr("Hold the &traces"), false, [this](bool on) { session_.readings.setHeld(on); });
    connect(&session_.readings, &Readings::heldChanged, hold, &QAction::setChecked);
    view.addSeparator();
    add("larger-rows", tr("&Larger rows"), [this] { chart_->setZoom(chart_->zoom() * kZoomStep); });
    add("smaller-rows", tr("&Smaller rows"), [this] { chart_->setZoom(chart_->zoom() / kZoomStep); });
    add("usual-rows", tr("Rows as &usual"), [this] { chart_->setZoom(1.0); });
    view.addSeparator();
    add("only-path", tr("Only the &path of this cable or post"), [this] { showPath(); });
    add("only-voice", tr("Only this &voice"), [this] { showVoice(); });
    add("whole-patch", tr("The &whole patch"), [this] { showAll(); });
    QAction* walk = toggle("row-by-row", tr("Build &row by row"), false, [this](bool on) {
        if (on != steps_->active()) steps_->setActive(on);
    });
    connect(steps_, &StepBar::activeChanged, walk, &QAction::setChecked);
    add("next-row", tr("Row by row: &next"), [this] { steps_->active() ? steps_->go(1) : steps_->setActive(true); });
    add("row-back", tr("Row by row: bac&k"), [this] {
        if (steps_->active()) steps_->go(-1);
    });
    view.addSeparator();
    add("panel-chosen", tr("What is ch&osen"), [this] { panel_->setCurrentIndex(0); });
    add("panel-findings", tr("All &findings"), [this] { panel_->setCurrentIndex(1); });
    add("panel-settings", tr("Settings &A and B"), [this] { panel_->setCurrentIndex(2); });
}

void PatchPlace::addHearing(QMenu& sound) {
    const auto add = [&](const char* name, const QString& text, auto&& run) {
        return addNamed(sound, name, text, this, run);
    };
    Listening& listening = session_.sound.listening();
    const auto chosen = [this]() -> const Cable* {
        const Cable* cable = session_.document.patch().cable(session_.selection.cable());
        if (!cable) Q_EMIT message(tr("Choose a row of the chart first."), true);
        return cable;
    };
    sound.addSeparator();
    QList<QAction*> ofRow;
    ofRow << add("mute-row", tr("Mute the &row, or let it sound"), [&listening, this, chosen] {
        if (!chosen()) return;
        for (const int cable : session_.selection.cables()) listening.silenceRow(cable, !listening.rowSilenced(cable));
    }) << add("listen", tr("&Listen to this cable, or to the way out again"), [&listening, this, chosen] {
        const Cable* cable = chosen();
        if (!cable) return;
        const bool on = listening.listened() != cable->id;
        listening.listenTo(on ? cable->id : 0);
        Q_EMIT message(on ? tr("You hear this cable alone, without DC and at half its voltage.")
                          : tr("You hear the way out again."),
                       false);
    });
    add("mute-voice", tr("Mute this &voice, or let it sound"), [&listening, chosen] {
        if (const Cable* cable = chosen()) listening.silenceVoice(cable->voice, !listening.voiceSilenced(cable->voice));
    });
    add("solo-voice", tr("&Hear this voice alone, or all"), [&listening, chosen] {
        if (const Cable* cable = chosen())
            listening.soloVoice(listening.solo() == cable->voice ? std::string() : cable->voice);
    });
    add("unmute-all", tr("Let &everything sound"), [&listening] { listening.everythingAgain(); });
    building_->alsoShow(ofRow);
    sound.addSeparator();
    QAction* keys = add("keys", tr("&Keys to play on"), [] {});
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
    if (const Cable* cable = patch.cable(session_.selection.cable())) {
        for (const int id : pathThrough(patch, library, cable->from)) cables.insert(id);
        what = q(tieName(cable->from, patch, library));
    } else if (const Post* post = patch.post(session_.selection.post())) {
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

/// The links on which something was found, and nothing else.
void PatchPlace::showWalk(const Finding& finding) {
    std::set<int> cables;
    for (const Link& link : finding.walk)
        if (session_.document.patch().cable(link.cable)) cables.insert(link.cable);
    if (session_.document.patch().cable(finding.cable)) cables.insert(finding.cable);
    if (cables.empty()) {
        if (finding.walk.empty() && chart_->showsPart()) showAll();
        return; // it goes behind the panel alone
    }
    partText_->setText(
        tr("Only the way to it: %1 of %2 cables").arg(cables.size()).arg(session_.document.patch().cables.size()));
    chart_->showOnly(std::move(cables));
}

void PatchPlace::showVoice() {
    const Patch& patch = session_.document.patch();
    const Cable* cable = patch.cable(session_.selection.cable());
    const Post* post = patch.post(session_.selection.post());
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
    const Post* post = session_.document.patch().post(session_.selection.post());
    const PartInfo* part = post ? session_.document.library().part(*post) : nullptr;
    if (!part || !(part->has("keys") || part->has("midi-to-cv") || part->has("pad"))) {
        Q_EMIT message(tr("Choose keys, a MIDI converter or a pad first; they are what can be played."), true);
        return;
    }
    const std::string id = post->id; // the patch may be another one when the dialogs have ended
    const QString file =
        QFileDialog::getOpenFileName(this, tr("Play from a MIDI file"), {}, tr("MIDI files (*.mid *.midi)"));
    if (file.isEmpty()) return;
    auto played = readMidiFile(file.toStdString(), id);
    if (!played) {
        Q_EMIT message(said(played.error()), true);
        return;
    }
    // What is lost is said before anything is replaced.
    const Performance* before = session_.document.patch().performance(id);
    if (const QString left = q(played->leftOut()); !left.isEmpty() || before) {
        QString text = tr("%1 holds %n message(s).", nullptr, static_cast<int>(played->performance.messages.size()))
                           .arg(QFileInfo(file).fileName());
        if (!left.isEmpty()) text += QLatin1Char(' ') + tr("Left out: %1.").arg(left);
        if (before)
            text += QLatin1Char(' ') + tr("They take the place of the %n message(s) that are played now.", nullptr,
                                          static_cast<int>(before->messages.size()));
        if (QMessageBox::question(this, tr("Play from a MIDI file"), text, QMessageBox::Ok | QMessageBox::Cancel) !=
            QMessageBox::Ok)
            return;
    }
    session_.document.apply({SetPerformance{std::move(played->performance)}},
                            tr("play %1").arg(QFileInfo(file).fileName()));
}

void PatchPlace::chooseJacks(const std::string& from, const std::string& to, const QPoint& where) {
    const Patch& now = session_.document.patch();
    if (!now.post(from) || !now.post(to)) return; // one of them went while the hand was drawing
    const Post& post = *now.post(from);
    const bool forward = hasOutput(*session_.document.library().part(post));
    chooser_ = new JackChooser(session_, forward ? from : to, forward ? to : from, this);
    connect(chooser_, &JackChooser::chosen, this, [this](const JackRef& output, const JackRef& input) {
        const Patch& patch = session_.document.patch();
        const auto tie = makeTie(output, input, patch, session_.document.library());
        if (!tie) {
            Q_EMIT message(said(tie.error().reason), true);
            return;
        }
        const QString name = tr("tie %1 to %2")
                                 .arg(q(tieName(output, patch, session_.document.library())),
                                      q(tieName(input, patch, session_.document.library())));
        const QString broken = plugWarning(patch, session_.document.library(), output, input);
        if (!session_.document.apply(withNewcomersPlaced(patch, {*tie}), name)) return;
        session_.selection.chooseCable(session_.document.patch().cableInto(input)->id);
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
