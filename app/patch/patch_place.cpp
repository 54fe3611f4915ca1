#include "patch/patch_place.h"

#include "library/midi_file.h"
#include "library/tie.h"
#include "look/text.h"

#include <QAction>
#include <QFileDialog>
#include <QFileInfo>
#include <QHBoxLayout>
#include <QKeyEvent>
#include <QScreen>

#include <algorithm>

namespace lariat {
namespace {

bool hasOutput(const PartInfo& part) {
    return std::ranges::any_of(part.jacks, &JackInfo::output);
}

} // namespace

PatchPlace::PatchPlace(const Session& session, QWidget* parent) : Place(parent), session_(session) {
    auto* layout = new QHBoxLayout(this);
    layout->setContentsMargins(0, 0, 0, 0);
    layout->setSpacing(0);
    chart_ = new Chart(session.document, session.sound, session.checker, this);
    inspector_ = new Inspector(session, *chart_, this);
    tieLine_ = new TieLine(session);
    layout->addWidget(chart_, 1);
    layout->addWidget(inspector_);
    setFocusProxy(chart_);
    connect(chart_, &Chart::tieRequested, this, &PatchPlace::chooseJacks);
    connect(chart_, &Chart::fixRequested, this, &PatchPlace::applyFix);
    connect(inspector_, &Inspector::fixRequested, this, &PatchPlace::applyFix);
    connect(inspector_, &Inspector::message, this, &Place::message);
    connect(tieLine_, &TieLine::message, this, &Place::message);
    connect(tieLine_, &TieLine::tied, chart_, &Chart::selectCable);
}

void PatchPlace::keyPressEvent(QKeyEvent* event) {
    if (event->key() == Qt::Key_Escape)
        inspector_->forgetPending();
    else
        Place::keyPressEvent(event);
}

void PatchPlace::addActions(const Menus& menus) {
    const auto add = [&](QMenu& menu, const QString& text, const QKeySequence& keys, auto&& run) {
        QAction* action = menu.addAction(text, this, run);
        action->setShortcut(keys);
        return action;
    };
    QMenu* fromCase = menus.patch.addMenu(tr("&Add from the case"));
    connect(fromCase, &QMenu::aboutToShow, this, [this, fromCase] { fillCaseMenu(*fromCase); });
    fillCaseMenu(*fromCase);
    add(menus.patch, tr("&Tie a cable"), QKeySequence(QStringLiteral("Ctrl+T")),
        [this] { tieLine_->setFocus(Qt::ShortcutFocusReason); });
    add(menus.patch, tr("Take the cable &out"), QKeySequence(Qt::Key_Delete), [this] { chart_->removeSelected(); });
    add(menus.patch, tr("Row &earlier"), QKeySequence(QStringLiteral("Ctrl+Up")), [this] { chart_->moveSelected(-1); });
    add(menus.patch, tr("Row &later"), QKeySequence(QStringLiteral("Ctrl+Down")), [this] { chart_->moveSelected(1); });
    add(menus.patch, tr("&Remove the post"), QKeySequence(QStringLiteral("Ctrl+Delete")), [this] { removePost(); });
    add(menus.patch, tr("&Play from a MIDI file…"), {}, [this] { playMidiFile(); });
    const auto toggle = [&](const QString& text, const QKeySequence& keys, bool on, auto&& run) {
        QAction* action = menus.view.addAction(text);
        action->setShortcut(keys);
        action->setCheckable(true);
        action->setChecked(on);
        connect(action, &QAction::toggled, this, run);
    };
    toggle(tr("&Compact rows"), QKeySequence(QStringLiteral("Ctrl+K")), false,
           [this](bool on) { chart_->setCompact(on); });
    toggle(tr("Wires &behind the panel"), QKeySequence(QStringLiteral("Ctrl+B")), true,
           [this](bool on) { chart_->setShowsNormals(on); });
    toggle(tr("Hold the &traces"), QKeySequence(QStringLiteral("Ctrl+H")), false,
           [this](bool on) { chart_->setFrozen(on); });
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
        if (session_.document.apply({*tie}, name)) chart_->selectCable(session_.document.patch().cableInto(input)->id);
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
    if (fix >= finding.fixes.size()) return;
    const QString label = q(finding.fixes[fix].label);
    if (session_.document.apply(finding.fixes[fix].edits, label))
        Q_EMIT message(tr("%1: done. Ctrl+Z takes it back.").arg(label), false);
}

void PatchPlace::fillCaseMenu(QMenu& menu) {
    menu.clear();
    const Case* housing = session_.document.housing();
    const Patch& patch = session_.document.patch();
    for (const Slot& slot : housing ? housing->slots : std::vector<Slot>{}) {
        const ModuleInfo* module = session_.document.library().module(slot.module);
        if (!module) continue;
        for (const PartInfo& part : module->parts) {
            const bool used = std::ranges::any_of(
                patch.posts, [&](const Post& post) { return post.slot == slot.id && post.part == part.id; });
            if (used) continue;
            QString text = q(module->description.name);
            if (module->parts.size() > 1) text += QStringLiteral(": ") + q(part.name);
            text += tr("  (row %1)").arg(slot.row);
            menu.addAction(text, this, [this, slot, &part] { addFromCase(slot, part); });
        }
    }
    if (menu.isEmpty())
        menu.addAction(housing ? tr("Everything in this case is in use") : tr("This patch names no case"))
            ->setEnabled(false);
}

void PatchPlace::addFromCase(const Slot& slot, const PartInfo& part) {
    const Patch& patch = session_.document.patch();
    const auto taken = [&](const std::string& name) {
        return std::ranges::any_of(patch.posts, [&](const Post& post) { return post.name == name; });
    };
    Post post{slot.id + "-" + part.id, part.name, slot.id, slot.module, part.id, {}, {}, {}};
    for (int number = 2; taken(post.name); ++number) post.name = part.name + " " + std::to_string(number);
    for (int number = 2; patch.post(post.id); ++number)
        post.id = slot.id + "-" + part.id + "-" + std::to_string(number);
    if (session_.document.apply({AddPost{post}}, tr("add %1").arg(q(post.name)))) chart_->selectPost(post.id);
}

void PatchPlace::removePost() {
    const Post* post = session_.document.patch().post(chart_->selectedPost());
    if (!post) {
        Q_EMIT message(tr("Choose the post to remove first."), true);
        return;
    }
    session_.document.apply({RemovePost{post->id}}, tr("remove %1").arg(q(post->name)));
}

} // namespace lariat
