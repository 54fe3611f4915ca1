#include "patch/building_actions.h"

#include "building/capacity.h"
#include "building/flow.h"
#include "building/insert.h"
#include "building/split.h"
#include "building/voice.h"
#include "library/tie.h"
#include "library/words.h"
#include "look/look.h"
#include "look/text.h"
#include "shell/finder.h"
#include "shell/shortcuts.h"
#include "stock/box_voice.h"
#include "widgets/plug_warning.h"

#include <QClipboard>
#include <QGuiApplication>
#include <QInputDialog>
#include <QPainter>

#include <algorithm>

namespace lariat {
namespace {

QString partName(const FreePart& free) {
    QString text = q(free.module->description.name);
    if (free.module->parts.size() > 1) text += QStringLiteral(": ") + q(free.part->name);
    return text;
}

QIcon swatch(const std::string& colour) {
    QPixmap pixmap(16, 16);
    pixmap.fill(headingColour(colour));
    return pixmap;
}

} // namespace

BuildingActions::BuildingActions(const Session& session, Chart& chart, QWidget* window)
    : QObject(window), session_(session), chart_(chart), window_(window), unknown_(session, window) {
    connect(&unknown_, &UnknownActions::message, this, &BuildingActions::message);
}

void BuildingActions::addTo(QMenu& patch) {
    const auto add = [&](const char* name, const QString& text, auto&& run) {
        return addNamed(patch, name, text, this, run);
    };
    QMenu* fromCase = patch.addMenu(tr("&Add from the case"));
    connect(fromCase, &QMenu::aboutToShow, this, [this, fromCase] { fillCaseMenu(*fromCase); });
    fillCaseMenu(*fromCase);
    add("find-part", tr("&Find a part to add…"), [this] { findPart(); });
    add("another", tr("A&nother of a kind…"), [this] { another(); });
    patch.addSeparator();
    ofRow_ << add("insert", tr("&Insert into the cable…"), [this] { insert(); })
           << add("split", tr("&Split its output…"), [this] { split(); })
           << add("move-start", tr("Plug its &start elsewhere…"), [this] { plugElsewhere(true); })
           << add("move-end", tr("Plug its en&d elsewhere…"), [this] { plugElsewhere(false); })
           << add("swap", tr("S&wap the two chosen cables"), [this] { swapCables(); })
           << add("remove-cable", tr("Take the cable &out"), [this] { chart_.removeSelected(); })
           << add("row-earlier", tr("Row &earlier"), [this] { chart_.moveSelected(-1); })
           << add("row-later", tr("Row &later"), [this] { chart_.moveSelected(1); })
           << add("regroup", tr("Put the rows &under…"), [this] { regroup(); })
           << add("heading", tr("Its &heading…"), [this] {
                  if (const Cable* cable = chosenCable())
                      showHeadingMenu(cable->voice, cable->step,
                                      chart_.viewport()->mapToGlobal(chart_.pointOn(cable->to.post, cable->id)));
              });
    patch.addSeparator();
    ofPost_ << add("describe-post", tr("&Name, voice and note of the post…"), [this] { describePost(); })
            << add("copy-settings", tr("&Copy its settings"), [this] { copySettings(); })
            << add("paste-settings", tr("Past&e settings"), [this] { pasteSettings(); })
            << add("look-behind", tr("Look &behind its panel"), [this] { lookBehind(); })
            << add("remove-post", tr("Take the post o&ut"), [this] { removePost(); });
    QMenu* unknown = patch.addMenu(tr("What nobody kno&ws"));
    unknown_.addTo(*unknown);
    ofPost_ << unknown_.ofPost();
    add("order-posts", tr("Order the posts alon&g the flow"), [this] {
        const Edits edits = orderPosts(session_.document.patch());
        if (edits.empty())
            Q_EMIT message(tr("The posts stand along the flow already."), false);
        else
            session_.document.apply(edits, tr("order the posts"));
    });
    add("double-voice", tr("Double the &voice…"), [this] { duplicate(); });
    add("box-voice", tr("Put the voice into a bo&x…"), [this] { box(); });
}

void BuildingActions::showMenu(const QPoint& where) {
    QMenu menu(window_);
    if (session_.selection.cable()) menu.addActions(ofRow_);
    if (chosenPost()) {
        menu.addSeparator();
        menu.addActions(ofPost_);
    }
    menu.addSeparator();
    menu.addActions(more_);
    menu.exec(where);
}

/// It takes its names by value: the row that asked for the menu may be laid out anew while the menu is open.
void BuildingActions::showHeadingMenu(std::string voice, std::string step, const QPoint& where) {
    QMenu menu(window_);
    menu.setObjectName(QStringLiteral("heading"));
    const auto styleNow = [&] {
        const Heading* now = session_.document.patch().heading(voice, step);
        return now ? *now : Heading{voice, step};
    };
    const bool folded = styleNow().folded;
    menu.addAction(folded ? tr("Unfold") : tr("Fold"), this, [&, folded] {
        Heading heading = styleNow();
        heading.folded = !folded;
        session_.document.apply({StyleHeading{heading}}, folded ? tr("unfold a heading") : tr("fold a heading"));
    });
    menu.addAction(tr("Rename…"), this, [&] { renameHeading(voice, step); });
    QMenu* colours = menu.addMenu(tr("Colour"));
    const auto style = [&](const std::string& colour) {
        Heading heading = styleNow();
        heading.colour = colour;
        session_.document.apply({StyleHeading{heading}}, tr("colour a heading"));
    };
    colours->addAction(tr("None"), this, [&] { style({}); });
    const QString words[] = {tr("Moss"), tr("Slate"), tr("Rust"), tr("Plum"), tr("Sand")};
    for (std::size_t i = 0; i < kHeadingColours.size(); ++i) {
        const std::string colour(kHeadingColours[i]);
        colours->addAction(swatch(colour), words[i], this, [&style, colour] { style(colour); });
    }
    menu.addAction(tr("Move up"), this, [&] {
        session_.document.apply({MoveHeading{voice, step, false}}, tr("move a heading"));
    });
    menu.addAction(tr("Move down"), this, [&] {
        session_.document.apply({MoveHeading{voice, step, true}}, tr("move a heading"));
    });
    if (!voice.empty()) {
        Listening& listening = session_.sound.listening();
        menu.addSeparator();
        const bool silent = listening.voiceSilenced(voice);
        menu.addAction(silent ? tr("Let %1 sound").arg(q(voice)) : tr("Mute %1").arg(q(voice)), this,
                       [&, silent] { listening.silenceVoice(voice, !silent); });
        const bool alone = listening.solo() == voice;
        menu.addAction(alone ? tr("Let all voices sound") : tr("Hear %1 alone").arg(q(voice)), this,
                       [&, alone] { listening.soloVoice(alone ? std::string() : voice); });
    }
    menu.exec(where);
}

const Cable* BuildingActions::chosenCable() {
    const Cable* cable = session_.document.patch().cable(session_.selection.cable());
    if (!cable) Q_EMIT message(tr("Choose a row of the chart first."), true);
    return cable;
}

const Post* BuildingActions::chosenPost() {
    return session_.document.patch().post(session_.selection.post());
}

bool BuildingActions::apply(const Result<Edits>& edits, const QString& name) {
    if (!edits) {
        Q_EMIT message(said(edits.error().reason), true);
        return false;
    }
    return session_.document.apply(*edits, name);
}

void BuildingActions::fillCaseMenu(QMenu& menu) {
    menu.clear();
    const Case* housing = session_.document.housing();
    for (const FreePart& free : freeParts(session_.document.patch(), session_.document.library(), housing))
        menu.addAction(partName(free) + tr("  (row %1)").arg(free.slot->row), this,
                       [this, slot = *free.slot, part = free.part] { addPart(slot, *part); });
    if (menu.isEmpty())
        menu.addAction(housing ? tr("Everything in this case is in use") : tr("This patch names no case"))
            ->setEnabled(false);
}

void BuildingActions::addPart(const Slot& slot, const PartInfo& part) {
    const ModuleInfo* module = session_.document.library().module(slot.module);
    const Post* beside = chosenPost();
    const Post post =
        postFor(session_.document.patch(), {&slot, module, &part}, beside ? beside->voice : std::string());
    if (session_.document.apply({AddPost{post}}, tr("add %1").arg(q(post.name))))
        session_.selection.choosePost(post.id);
}

void BuildingActions::findPart() {
    Finder finder(tr("Add from the case"), tr("Type part of a module's or part's name"), window_);
    for (const FreePart& free :
         freeParts(session_.document.patch(), session_.document.library(), session_.document.housing()))
        finder.add(partName(free) + tr("  (row %1)").arg(free.slot->row),
                   [this, slot = *free.slot, part = free.part] { addPart(slot, *part); });
    finder.exec();
}

void BuildingActions::another() {
    Finder finder(tr("Another of a kind"), tr("Type a function: VCA, filter, contour …"), window_);
    const Patch& patch = session_.document.patch();
    const Library& library = session_.document.library();
    for (const Capacity& one : capacity(patch, library, session_.document.housing())) {
        const QString text = tr("%1 – %2 of %3 free").arg(q(one.type->name)).arg(one.free).arg(one.total);
        finder.add(text, [this, type = one.type] {
            const auto free = freeParts(session_.document.patch(), session_.document.library(),
                                        session_.document.housing(), type->id);
            if (free.empty())
                Q_EMIT message(tr("Every %1 of this case is in use.").arg(q(type->name)), true);
            else
                addPart(*free.front().slot, *free.front().part);
        });
    }
    finder.exec();
}

void BuildingActions::insert() {
    const Cable* cable = chosenCable();
    if (!cable) return;
    const Patch& patch = session_.document.patch();
    const Library& library = session_.document.library();
    Finder finder(tr("Insert into cable %1").arg(patch.row(cable->id)), tr("Type a function, part or post"), window_);
    const auto into = [this, id = cable->id](const Post& post) {
        if (apply(insertInto(session_.document.patch(), session_.document.library(), id, post),
                  tr("insert %1").arg(q(post.name))))
            session_.selection.choosePost(post.id);
    };
    const auto offer = [&](const QString& text, const FreePart& free) {
        finder.add(text, [this, into, slot = *free.slot, module = free.module, part = free.part, voice = cable->voice] {
            into(postFor(session_.document.patch(), {&slot, module, part}, voice));
        });
    };
    for (const Capacity& one : capacity(patch, library, session_.document.housing())) {
        const auto free = freeParts(patch, library, session_.document.housing(), one.type->id);
        if (!free.empty() && !one.type->inputs.empty() && !one.type->outputs.empty())
            offer(tr("%1 – %2 free").arg(q(one.type->name)).arg(one.free), free.front());
    }
    for (const Post& post : patch.posts)
        if (post.id != cable->from.post && post.id != cable->to.post && insertInto(patch, library, cable->id, post))
            finder.add(tr("%1 (in use)").arg(q(post.name)), [into, post] { into(post); });
    for (const FreePart& free : freeParts(patch, library, session_.document.housing())) offer(partName(free), free);
    finder.exec();
}

void BuildingActions::split() {
    const Cable* cable = chosenCable();
    if (!cable) return;
    const Patch& patch = session_.document.patch();
    const Library& library = session_.document.library();
    const JackRef output = cable->from;
    Finder finder(tr("Split %1").arg(q(tieName(output, patch, library))), tr("Type the input it is to reach as well"),
                  window_);
    for (const Post& post : patch.posts)
        for (const JackInfo& jack : library.part(post)->jacks) {
            const JackRef input{post.id, jack.id};
            if (!jack.output && !patch.cableInto(input))
                finder.add(q(tieName(input, patch, library)), [this, output, input] { waysTo(output, input); });
        }
    finder.exec();
}

/// The ways to split, each with what it costs.
void BuildingActions::waysTo(const JackRef& output, const JackRef& input) {
    const Patch& patch = session_.document.patch();
    const Library& library = session_.document.library();
    Finder finder(tr("Ways to split %1").arg(q(tieName(output, patch, library))), tr("Type to choose"), window_);
    for (const Split& way : waysToSplit(patch, library, session_.document.housing(), output, input)) {
        QString text;
        if (way.way == Split::Way::Copy) text = tr("Take the free copy at %1").arg(q(way.with));
        if (way.way == Split::Way::Mult) text = tr("Go through %1").arg(q(way.with));
        if (way.way == Split::Way::Stack) text = tr("Stack a second plug");
        text += tr(" – %n cable(s)", nullptr, way.cables);
        text += way.sagPerVolt < 1e-5 ? tr(", loses nothing")
                                      : tr(", loses %1 % (%2 cents a volt)")
                                            .arg(100.0 * way.sagPerVolt, 0, 'f', 1)
                                            .arg(1200.0 * way.sagPerVolt, 0, 'f', 0);
        finder.add(text, [this, edits = way.edits, input] {
            if (apply(edits, tr("split an output")))
                session_.selection.chooseCable(session_.document.patch().cableInto(input)->id);
        });
    }
    finder.exec();
}

void BuildingActions::plugElsewhere(bool source) {
    const Cable* cable = chosenCable();
    if (!cable) return;
    const Patch& patch = session_.document.patch();
    const Library& library = session_.document.library();
    Finder finder(source ? tr("Plug the start elsewhere") : tr("Plug the end elsewhere"),
                  tr("Type part of a jack's name"), window_);
    for (const Post& post : patch.posts)
        for (const JackInfo& jack : library.part(post)->jacks) {
            const JackRef ref{post.id, jack.id};
            if (jack.output != source || (!source && patch.cableInto(ref))) continue;
            const MoveCable edit{cable->id, source ? ref : cable->from, source ? cable->to : ref};
            finder.add(q(tieName(ref, patch, library)),
                       [this, edit] { session_.document.apply({edit}, tr("move an end of a cable")); });
        }
    finder.exec();
}

void BuildingActions::moveEnd(int id, bool source, const std::string& post, const QPoint& where) {
    const Patch& patch = session_.document.patch();
    const Library& library = session_.document.library();
    const Cable* cable = patch.cable(id);
    const Post* target = patch.post(post);
    if (!cable || !target) return;
    QMenu menu(window_);
    menu.setObjectName(QStringLiteral("move-end"));
    for (const JackInfo& jack : library.part(*target)->jacks) {
        const JackRef ref{post, jack.id};
        if (jack.output != source || (!source && patch.cableInto(ref))) continue;
        const MoveCable edit{id, source ? ref : cable->from, source ? cable->to : ref};
        QString text = q(tieName(ref, patch, library));
        const QString warning = plugWarning(patch, library, source ? ref : JackRef{}, source ? JackRef{} : ref);
        if (!warning.isEmpty()) text += QStringLiteral("  · ") + warning;
        menu.addAction(text, this, [this, edit] { session_.document.apply({edit}, tr("move an end of a cable")); });
    }
    if (menu.isEmpty())
        Q_EMIT message(source ? tr("%1 has no output.").arg(q(target->name))
                       : std::ranges::all_of(library.part(*target)->jacks, &JackInfo::output)
                           ? tr("%1 has no input.").arg(q(target->name))
                           : tr("Every input of %1 is taken.").arg(q(target->name)),
                       true);
    else
        menu.exec(where);
}

void BuildingActions::swapCables() {
    const std::vector<int> chosen = session_.selection.cables();
    if (chosen.size() != 2) {
        Q_EMIT message(tr("Choose two rows first, the second one with Ctrl; their ends change places."), true);
        return;
    }
    session_.document.apply({SwapCables{chosen[0], chosen[1], false}}, tr("swap two cables"));
}

void BuildingActions::duplicate() {
    const std::string voice = chosenVoice();
    if (voice.empty()) return;
    bool ok = false;
    const QString name =
        QInputDialog::getText(window_, tr("Double the voice"), tr("Name of the second %1").arg(q(voice)),
                              QLineEdit::Normal, q(voice) + QStringLiteral(" 2"), &ok);
    if (!ok) return;
    apply(duplicateVoice(session_.document.patch(), session_.document.library(), session_.document.housing(), voice,
                         name.trimmed().toStdString()),
          tr("double %1").arg(q(voice)));
}

/// The voice of the chosen row or post; empty, and said, if there is none.
std::string BuildingActions::chosenVoice() {
    const Cable* cable = session_.document.patch().cable(session_.selection.cable());
    const Post* post = chosenPost();
    const std::string voice = cable ? cable->voice : post ? post->voice : std::string();
    if (voice.empty()) Q_EMIT message(tr("Choose a row or post of the voice first."), true);
    return voice;
}

/// A name that no module has yet: "Lead box", "Lead box 2" …
QString BuildingActions::freshModuleName(const QString& name) const {
    for (int n = 1;; ++n) {
        const QString one = n == 1 ? name : QStringLiteral("%1 %2").arg(name).arg(n);
        if (!session_.document.library().module(idFrom(one.toStdString()))) return one;
    }
}

/// A whole voice as one module: among the user's own, in the case, and in the place of its posts.
void BuildingActions::box() {
    const std::string voice = chosenVoice();
    if (voice.empty()) return;
    bool ok = false;
    const QString name = QInputDialog::getText(window_, tr("Put the voice into a box"),
                                               tr("Name of the module that %1 becomes").arg(q(voice)),
                                               QLineEdit::Normal, freshModuleName(tr("%1 box").arg(q(voice))), &ok)
                             .trimmed();
    if (!ok) return;
    // All of it is worked out before any of it is done.
    Document& document = session_.document;
    const auto boxed = boxedVoice(document.patch(), document.workspace(), voice, name.toStdString());
    if (!boxed) {
        Q_EMIT message(said(boxed.error()), true);
        return;
    }
    if (!document.changeModule(boxed->module, tr("a box"))) return; // a new module is no step: it stays
    // One step of the history: the case has it, and the patch uses it.
    const QString step = tr("put %1 into a box").arg(q(voice));
    document.history().beginMacro(step);
    const bool done = document.changeCase(boxed->housing, tr("add a module")) && document.apply(boxed->edits, step);
    document.history().endMacro();
    if (!done) return document.history().undo();
    session_.selection.choosePost(boxed->post);
    const QString what = tr("%1 is one module now, with %n jacks: look behind its panel to change it.", nullptr,
                            static_cast<int>(boxed->module.description.parts.front().jacks.size()))
                             .arg(name);
    Q_EMIT message(boxed->housing.slots.back().loose()
                       ? what + QLatin1Char(' ') + tr("No row has room for it: it lies in the bag.")
                       : what,
                   false);
}

void BuildingActions::lookBehind() {
    const Post* post = chosenPost();
    if (!post)
        Q_EMIT message(tr("Choose a post first."), true);
    else
        session_.navigator.openModule(post->module);
}

/// Puts the chosen rows under a heading that is there, or a new one written "Voice · step".
void BuildingActions::regroup() {
    if (!chosenCable()) return;
    QStringList headings;
    for (const Cable& cable : session_.document.patch().cables)
        if (const QString text = headingOf(cable); !headings.contains(text)) headings << text;
    bool ok = false;
    const QString chosen =
        QInputDialog::getItem(window_, tr("Put the rows under"), tr("Voice · step"), headings, 0, true, &ok);
    if (!ok || chosen.trimmed().isEmpty()) return;
    const auto parts = chosen.split(QStringLiteral("·"));
    std::vector<Edit> edits;
    for (const int cable : session_.selection.cables())
        edits.emplace_back(
            RegroupCable{cable, parts[0].trimmed().toStdString(), parts.value(1).trimmed().toStdString()});
    session_.document.apply(edits, tr("put rows under %1").arg(chosen));
}

void BuildingActions::renameHeading(const std::string& voice, const std::string& step) {
    bool ok = false;
    const QString old = q(voice) + (step.empty() ? QString() : QStringLiteral(" · ") + q(step));
    const QString text =
        QInputDialog::getText(window_, tr("Rename the heading"), tr("Voice · step"), QLineEdit::Normal, old, &ok);
    if (!ok || text.trimmed().isEmpty()) return;
    const auto parts = text.split(QStringLiteral("·"));
    session_.document.apply(
        {RenameHeading{voice, step, parts[0].trimmed().toStdString(), parts.value(1).trimmed().toStdString()}},
        tr("rename a heading"));
}

void BuildingActions::describePost() {
    const Post* post = chosenPost();
    if (!post) {
        Q_EMIT message(tr("Choose a post first."), true);
        return;
    }
    DescribePost edit{post->id, post->name, post->voice, post->note};
    const auto ask = [&](const QString& label, std::string& value) {
        bool ok = false;
        const QString text =
            QInputDialog::getText(window_, tr("%1").arg(q(post->name)), label, QLineEdit::Normal, q(value), &ok);
        value = text.trimmed().toStdString();
        return ok;
    };
    if (ask(tr("Name"), edit.name) && ask(tr("Voice"), edit.voice) && ask(tr("Note"), edit.note))
        session_.document.apply({edit}, tr("write down a post"));
}

/// As plain lines, "cutoff = 412 Hz", so that they can also go into notes.
void BuildingActions::copySettings() {
    const Post* post = chosenPost();
    if (!post) {
        Q_EMIT message(tr("Choose a post first."), true);
        return;
    }
    QStringList lines;
    for (const KnobInfo& knob : session_.document.library().part(*post)->knobs)
        lines << q(knob.id) + QStringLiteral(" = ") + q(knob.scale.text(knobValue(*post, knob)));
    QGuiApplication::clipboard()->setText(lines.join(QLatin1Char('\n')));
    Q_EMIT message(tr("Copied %1 settings of %2.").arg(lines.size()).arg(q(post->name)), false);
}

void BuildingActions::pasteSettings() {
    const Post* post = chosenPost();
    if (!post) {
        Q_EMIT message(tr("Choose a post first."), true);
        return;
    }
    const PartInfo& part = *session_.document.library().part(*post);
    std::vector<Edit> edits;
    for (const QString& line : QGuiApplication::clipboard()->text().split(QLatin1Char('\n'))) {
        const KnobInfo* knob = part.knob(line.section(QLatin1Char('='), 0, 0).trimmed().toStdString());
        const auto value = knob ? knob->scale.parse(line.section(QLatin1Char('='), 1).trimmed().toStdString(),
                                                    tempoOf(session_.document.patch(), session_.document.library()))
                                : std::nullopt;
        if (!value || *value < knob->scale.min || *value > knob->scale.max || post->locked.contains(knob->id)) continue;
        edits.emplace_back(SetKnob{post->id, knob->id, *value});
    }
    if (edits.empty())
        Q_EMIT message(
            tr("The clipboard holds no setting of %1; it takes lines such as “cutoff = 412 Hz”.").arg(q(post->name)),
            true);
    else if (session_.document.apply(edits, tr("paste settings")))
        Q_EMIT message(tr("%1 knobs of %2 set.").arg(edits.size()).arg(q(post->name)), false);
}

void BuildingActions::removePost() {
    const Post* post = chosenPost();
    if (!post) {
        Q_EMIT message(tr("Choose the post to take out first."), true);
        return;
    }
    session_.document.apply({RemovePost{post->id}}, tr("take out %1").arg(q(post->name)));
}

} // namespace lariat
