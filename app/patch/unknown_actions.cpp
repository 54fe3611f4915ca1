#include "patch/unknown_actions.h"

#include "building/nobody_knows.h"
#include "library/tie.h"
#include "library/unknowns.h"
#include "look/text.h"
#include "plan/telling.h"
#include "shell/finder.h"
#include "shell/shortcuts.h"

#include <QInputDialog>

namespace lariat {
namespace {

constexpr int kLongestName = 40;
constexpr int kLongestWritten = 120;

} // namespace

UnknownActions::UnknownActions(const Session& session, QWidget* window)
    : QObject(window), session_(session), window_(window) {}

void UnknownActions::addTo(QMenu& patch) {
    const auto add = [&](const char* name, const QString& text, auto&& run) {
        return addNamed(patch, name, text, this, run);
    };
    add("open-end", tr("A cable with an &open end…"), [this] { leaveOpen(); });
    add("close-open-end", tr("Ta&ke an open end out…"), [this] { closeOpenEnd(); });
    add("unknown-part", tr("A part that nobod&y knows…"), [this] { addUnknownPart(); });
    ofPost_ << add("known-as", tr("It was t&his part of the case…"), [this] { knowPart(); });
    add("ask-unknown", tr("As&k for the knob that tells most"), [this] { askWhatTellsMost(); });
}

/// Runs the patch with each unknown knob at both ends, and leads to the one whose place would change most.
void UnknownActions::askWhatTellsMost() {
    if (unknownsOf(session_.document.patch(), session_.document.library()).empty()) {
        Q_EMIT message(tr("Nothing is unknown here. A knob's menu says that nobody knows where it stands."), false);
        return;
    }
    asking_ = session_.jobs.start(
        tr("Asking which knob tells most"), this,
        [patch = session_.document.patch(), library = &session_.document.library()](const Progress& progress) {
            return whatTellsMost(patch, *library, 2.0, [&progress](double done) { return progress(done); });
        },
        [this](Result<std::vector<Telling>> order) {
            const Telling* first = order && !order->empty() ? &order->front() : nullptr;
            const Post* post = first ? session_.document.patch().post(first->unknown.post) : nullptr;
            const PartInfo* part = post ? session_.document.library().part(*post) : nullptr;
            const KnobInfo* knob = part ? part->knob(first->unknown.knob) : nullptr;
            if (!knob) return; // the patch has moved on
            session_.navigator.showPost(post->id);
            Q_EMIT message(tr("Look at %1 of %2 first: its ends are %3 dB apart in what is heard.")
                               .arg(q(knob->name), q(post->name))
                               .arg(first->decibels, 0, 'f', 1),
                           false);
        });
}

/// Jacks of the chosen post come first.
void UnknownActions::leaveOpen() {
    const Patch& patch = session_.document.patch();
    const Library& library = session_.document.library();
    if (patch.posts.empty()) {
        Q_EMIT message(tr("There is no part in use yet whose cable could be open."), true);
        return;
    }
    Finder finder(tr("The end that is known"), tr("Type part of a jack's name"), window_);
    const auto offer = [&](const Post& post) {
        for (const JackInfo& jack : library.part(post)->jacks) {
            const JackRef at{post.id, jack.id};
            if (!jack.output && patch.cableInto(at)) continue;
            finder.add(jack.output ? tr("%1 to nobody knows where").arg(q(tieName(at, patch, library)))
                                   : tr("%1 from nobody knows where").arg(q(tieName(at, patch, library))),
                       [this, at, output = jack.output] { writeWhatWasRead(at, output); });
        }
    };
    const Post* chosen = patch.post(session_.selection.post());
    if (chosen) offer(*chosen);
    for (const Post& post : patch.posts)
        if (&post != chosen) offer(post);
    finder.exec();
}

void UnknownActions::writeWhatWasRead(const JackRef& at, bool output) {
    bool good = false;
    const QString written = QInputDialog::getText(window_, tr("A cable with an open end"),
                                                  tr("What is written down of its other end? It may stay empty."),
                                                  QLineEdit::Normal, {}, &good);
    if (!good) return;
    const Post* post = session_.document.patch().post(at.post);
    if (!post) return; // it went meanwhile
    OpenEnd end;
    end.at = at;
    end.output = output;
    end.written = written.trimmed().left(kLongestWritten).toStdString();
    end.voice = post->voice;
    if (session_.document.apply({AddOpenEnd{end}}, tr("note an open end"))) session_.selection.chooseJack(at);
}

void UnknownActions::closeOpenEnd() {
    const Patch& patch = session_.document.patch();
    if (patch.openEnds.empty()) {
        Q_EMIT message(tr("No cable has an open end here."), false);
        return;
    }
    const auto take = [this](int id) { session_.document.apply({RemoveOpenEnd{id}}, tr("take an open end out")); };
    Finder finder(tr("Take an open end out"), tr("Type to choose"), window_);
    for (const OpenEnd& end : patch.openEnds)
        finder.add(said(openEndText(end, patch, session_.document.library())), [take, id = end.id] { take(id); });
    finder.exec();
}

void UnknownActions::addUnknownPart() {
    bool good = false;
    const QString name = QInputDialog::getText(window_, tr("A part that nobody knows"), tr("What is it called?"),
                                               QLineEdit::Normal, tr("grey box"), &good)
                             .trimmed()
                             .left(kLongestName);
    if (!good) return;
    if (name.isEmpty()) {
        Q_EMIT message(tr("It needs a name, if only “grey box”."), true);
        return;
    }
    const Post* beside = session_.document.patch().post(session_.selection.post());
    const Post post =
        unknownPart(session_.document.patch(), name.toStdString(), beside ? beside->voice : std::string());
    if (session_.document.apply({AddPost{post}}, tr("add %1").arg(name))) session_.selection.choosePost(post.id);
}

void UnknownActions::knowPart() {
    const Post* post = session_.document.patch().post(session_.selection.post());
    if (!post || !isUnknownPart(*post)) {
        Q_EMIT message(tr("Choose a part that nobody knows first."), true);
        return;
    }
    Finder finder(tr("%1 was …").arg(q(post->name)), tr("Type part of a module's or part's name"), window_);
    for (const FreePart& free :
         freeParts(session_.document.patch(), session_.document.library(), session_.document.housing())) {
        const QString text = q(free.module->description.name) +
                             (free.module->parts.size() > 1 ? QStringLiteral(": ") + q(free.part->name) : QString()) +
                             tr("  (row %1)").arg(free.slot->row);
        finder.add(text, [this, id = post->id, slot = *free.slot, module = free.module, part = free.part] {
            const auto edits =
                knownAs(session_.document.patch(), session_.document.library(), id, {&slot, module, part});
            if (!edits) {
                Q_EMIT message(said(edits.error().reason), true);
                return;
            }
            if (!session_.document.apply(*edits, tr("know a part"))) return;
            if (const auto* added = std::get_if<AddPost>(&edits->front()))
                session_.selection.choosePost(added->post.id);
        });
    }
    finder.exec();
}

} // namespace lariat
