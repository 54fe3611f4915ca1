#include "time/time_place.h"

#include "library/midi_file.h"
#include "look/fonts.h"
#include "look/text.h"
#include "timing/pattern_midi.h"
#include "widgets/file_dialog.h"

#include <QFileDialog>
#include <QFileInfo>
#include <QHBoxLayout>
#include <QInputDialog>
#include <QMenu>
#include <QPushButton>
#include <QVBoxLayout>

namespace lariat {
namespace {

/// A button for something that the menus offer too.
QPushButton* buttonFor(QAction* action, const QString& text) {
    auto* button = new QPushButton(text);
    button->setObjectName(action->objectName() + QStringLiteral("-button"));
    button->setFont(textFont(13));
    button->setToolTip(QStringLiteral("%1 (%2)").arg(action->text().remove(QLatin1Char('&')),
                                                     action->shortcut().toString(QKeySequence::NativeText)));
    button->setCheckable(action->isCheckable());
    button->setChecked(action->isChecked());
    QObject::connect(button, &QPushButton::clicked, action, &QAction::trigger);
    QObject::connect(action, &QAction::toggled, button, &QPushButton::setChecked);
    return button;
}

} // namespace

TimePlace::TimePlace(const Session& session, QWidget* parent) : Place(parent), session_(session) {
    editor_ = new LineEditor(session, this);
    responder_ = new Responder(
        session, [this](const std::string& post) { return editor_->shown(post); }, this);
    entry_ = new StepEntry(session, *editor_, this);
    recorder_ = new Recorder(session, *editor_, this);
    bar_ = new EntryBar(*entry_, *recorder_);
    chart_ = new TimeChart(session, *editor_, *responder_);
    panel_ = new TimePanel(session, *editor_, *responder_);
    keys_ = new KeyStrip(session.sound);
    keys_->hide();

    auto* across = new QHBoxLayout(this);
    across->setContentsMargins(0, 0, 0, 0);
    across->setSpacing(0);
    auto* column = new QVBoxLayout;
    column->setSpacing(0);
    column->addWidget(bar_);
    column->addWidget(chart_, 1);
    foot_ = new QHBoxLayout;
    foot_->setContentsMargins(16, 6, 12, 6);
    foot_->setSpacing(8);
    wordsOf_ = new QLabel;
    wordsOf_->setFont(textFont(13, true));
    words_ = new QLineEdit;
    words_->setObjectName(QStringLiteral("words"));
    words_->setFont(figureFont(13));
    words_->setAccessibleName(tr("The line in words"));
    words_->setPlaceholderText(tr("d3 d3 - f3~ = c4!,0.25"));
    words_->setToolTip(tr("Steps with spaces between: d3 a note, - a rest, = a tie, ! accented, ~ slides; with commas "
                          "behind it 0.4 the gate, v80 velocity, p50 chance, x3 strikes, c2.5 volts, +25 late; *4 four "
                          "times. A lane: x, X accented, . a rest. Enter writes it."));
    wordsOf_->setBuddy(words_);
    foot_->addWidget(wordsOf_);
    foot_->addWidget(words_, 1);
    column->addLayout(foot_);
    scenes_ = new SceneStrip(session);
    moves_ = new MoveRecorder(session, this);
    column->addWidget(scenes_);
    column->addWidget(keys_);
    across->addLayout(column, 1);
    across->addWidget(panel_);
    setFocusProxy(chart_);

    connect(chart_, &TimeChart::typed, entry_, &StepEntry::type);
    connect(chart_, &TimeChart::octaveRequested, this, [this](int by) {
        entry_->setOctave(entry_->octave() + by);
        Q_EMIT message(tr("Letters are notes of octave %1 now.").arg(entry_->octave()), false);
    });
    connect(chart_, &TimeChart::menuRequested, this, &TimePlace::showMenu);
    connect(chart_, &TimeChart::message, this, &Place::message);
    connect(panel_, &TimePanel::message, this, &Place::message);
    connect(editor_, &LineEditor::refused, this, [this](const QString& why) { Q_EMIT message(why, true); });
    connect(recorder_, &Recorder::refused, this, [this](const QString& why) { Q_EMIT message(why, true); });
    connect(recorder_, &Recorder::done, this, [this](const QString& text) { Q_EMIT message(text, false); });
    connect(responder_, &Responder::failed, this, [this](const QString& why) { Q_EMIT message(why, true); });
    connect(responder_, &Responder::fitted, this,
            [this](const QString& text) { Q_EMIT message(tr("%1: done. Ctrl+Z takes it back.").arg(text), false); });
    connect(scenes_, &SceneStrip::refused, this, [this](const QString& why) { Q_EMIT message(why, true); });
    connect(scenes_, &SceneStrip::writeWanted, this, &TimePlace::writeScenes);
    connect(moves_, &MoveRecorder::refused, this, [this](const QString& why) { Q_EMIT message(why, true); });
    connect(moves_, &MoveRecorder::done, this, [this](const QString& text) { Q_EMIT message(text, false); });
    const auto keys = [this] { keys_->setVisible(entry_->on() || recorder_->state() != Recorder::State::Off); };
    connect(entry_, &StepEntry::changed, this, keys);
    connect(recorder_, &Recorder::changed, this, keys);
    connect(editor_, &LineEditor::variationShown, responder_, &Responder::look);
    for (const auto signal : {&Document::changed, &Document::replaced})
        connect(&session_.document, signal, this, &TimePlace::refreshWords);
    connect(&session_.selection, &Selection::changed, this, &TimePlace::refreshWords);
    connect(editor_, &LineEditor::variationShown, this, &TimePlace::refreshWords);
    connect(words_, &QLineEdit::returnPressed, this, [this] {
        const QString why = editor_->setWords(words_->text());
        if (why.isEmpty()) {
            words_->setModified(false);
            refreshWords();
        } else {
            Q_EMIT message(tr("Not written: %1.").arg(why), true);
        }
    });
    refreshWords();
}

void TimePlace::showEvent(QShowEvent* event) {
    Place::showEvent(event);
    responder_->setActive(true);
    chooseFirstLine();
}

void TimePlace::hideEvent(QHideEvent* event) {
    recorder_->stop();
    entry_->setOn(false);
    responder_->setActive(false);
    Place::hideEvent(event);
}

/// Who comes here with a sequencer chosen sees its first line; who comes with nothing, the first there is.
void TimePlace::chooseFirstLine() {
    if (!editor_->line().post.empty()) return;
    const auto all = sequencersOf(session_.document.patch(), session_.document.library());
    const auto chosen = std::ranges::find(all, session_.selection.post(), &Sequencer::post);
    const auto one = chosen != all.end() ? chosen : all.begin();
    if (one == all.end() || one->lines.empty()) return;
    LineRef line = one->lines.front().at;
    if (const Pattern* written = session_.document.patch().pattern(one->post); written && written->tracks.empty())
        line.lane = one->lanes > 0;
    editor_->choose(line, {});
    chart_->reveal(line);
}

void TimePlace::refreshWords() {
    const LineRef& line = editor_->line();
    const auto sequencer = editor_->sequencer();
    const bool can = sequencer && sequencer->plays && !line.post.empty();
    words_->setEnabled(can);
    const QString name = line.lane ? tr("lane %1").arg(line.index + 1) : tr("track %1").arg(line.index + 1);
    wordsOf_->setText(
        can ? QStringLiteral("%1 · %2").arg(QLatin1Char(static_cast<char>('A' + editor_->shown(line.post)))).arg(name)
            : tr("no line"));
    if (words_->hasFocus() && words_->isModified()) return; // what is being typed stays
    const QString text = can ? editor_->words() : QString();
    if (text != words_->text()) words_->setText(text);
    words_->setCursorPosition(0);
}

void TimePlace::addActions(const Menus& menus) {
    const auto add = [&](QMenu& menu, const char* name, const QString& text, auto&& run) {
        return addNamed(menu, name, text, this, run);
    };
    menus.patch.addSeparator();
    ofSteps_ << add(menus.patch, "copy-steps", tr("&Copy steps"), [this] { editor_->copy(); })
             << add(menus.patch, "paste-steps", tr("&Paste steps"), [this] { editor_->paste(); })
             << add(menus.patch, "duplicate-steps", tr("&Duplicate steps"), [this] { editor_->duplicate(); })
             << add(menus.patch, "reverse-steps", tr("Re&verse steps"), [this] { editor_->reverse(); })
             << add(menus.patch, "steps-left", tr("Shift steps to the &left"), [this] { editor_->shift(-1); })
             << add(menus.patch, "steps-right", tr("Shift steps to the &right"), [this] { editor_->shift(1); })
             << add(menus.patch, "octave-up", tr("An octave &up"), [this] { editor_->moveNotes(12, false); })
             << add(menus.patch, "octave-down", tr("An octave do&wn"), [this] { editor_->moveNotes(-12, false); })
             << add(menus.patch, "thin-steps", tr("&Thin out: every other note"), [this] { editor_->thin(); })
             << add(menus.patch, "humanize-steps", tr("Hu&manize velocities and gates"),
                    [this] { editor_->humanize(); })
             << add(menus.patch, "unknown-steps", tr("&Nobody knows these steps"), [this] { markUnknown(); })
             << add(menus.patch, "clear-steps", tr("Start a&fresh: clear the line"), [this] { startAfresh(); });
    menus.patch.addSeparator();
    add(menus.patch, "step-entry", tr("Step &entry"), [this] {
        entry_->setOn(!entry_->on());
        if (entry_->on()) keys_->setFocus();
    });
    add(menus.patch, "record-steps", tr("Rec&ord into this line"), [this] {
        recorder_->state() == Recorder::State::Off ? recorder_->start() : recorder_->stop();
        if (recorder_->state() != Recorder::State::Off) keys_->setFocus();
    });
    add(menus.patch, "write-words", tr("Write the line in &words"), [this] {
        words_->setFocus(Qt::ShortcutFocusReason);
        words_->selectAll();
    });
    add(menus.patch, "steps-from-midi", tr("Take the line from a M&IDI file…"), [this] { takeFromMidi(); });
    add(menus.patch, "steps-to-midi", tr("Save the line as a MIDI &file…"), [this] { saveAsMidi(); });
    add(menus.patch, "fit-sustain", tr("Fit: just reach &sustain"), [this] {
        if (auto* button = panel_->findChild<QAbstractButton*>(QStringLiteral("fit-sustain"))) button->click();
    });
    add(menus.patch, "fit-next", tr("Fit: just end before the &next note"), [this] {
        if (auto* button = panel_->findChild<QAbstractButton*>(QStringLiteral("fit-next"))) button->click();
    });
    addSceneActions(menus);
    add(menus.view, "steps-larger", tr("&Wider steps"), [this] { chart_->setZoom(chart_->zoom() * 1.25); });
    add(menus.view, "steps-smaller", tr("&Narrower steps"), [this] { chart_->setZoom(chart_->zoom() / 1.25); });
    add(menus.view, "page-back", tr("&Page before"), [this] { chart_->turnPage(editor_->line().post, -1); });
    add(menus.view, "page-on", tr("Ne&xt page"), [this] { chart_->turnPage(editor_->line().post, 1); });
    add(menus.view, "pin-jack", tr("Show the chosen ro&w's signal here, or no longer"), [this] { pinChosen(); });
}

void TimePlace::addSceneActions(const Menus& menus) {
    const auto add = [&](QMenu& menu, const char* name, const QString& text, auto&& run) {
        return addNamed(menu, name, text, this, run);
    };
    menus.patch.addSeparator();
    QAction* keep = add(menus.patch, "keep-scene", tr("&Keep as a scene…"), [this] {
        bool ok = false;
        const auto count = static_cast<int>(session_.document.patch().scenes.size());
        const QString name = QInputDialog::getText(
            this, tr("Keep as a scene"),
            tr("How the knobs stand now is kept as a scene. Its name, and how many bars it lasts:"), QLineEdit::Normal,
            tr("Scene %1, 4 bars").arg(count + 1), &ok);
        if (!ok) return;
        const QString bars = name.section(QLatin1Char(','), -1).trimmed().section(QLatin1Char(' '), 0, 0);
        bool number = false;
        const int length = bars.toInt(&number);
        keepScene(number ? name.section(QLatin1Char(','), 0, -2).trimmed() : name.trimmed(), number ? length : 4);
    });
    add(menus.patch, "chain-variations", tr("Chain variations as scenes…"), [this] { chainVariations(); });
    add(menus.patch, "write-scenes", tr("Write the scenes in wor&ds…"), [this] { writeScenes(); });
    QAction* record = add(menus.patch, "record-moves", tr("Record &moves of knobs"), [] {});
    record->setCheckable(true);
    connect(record, &QAction::toggled, this, [this](bool on) { on ? moves_->start(Hand::Right) : moves_->stop(); });
    connect(moves_, &MoveRecorder::changed, record, [this, record] { record->setChecked(moves_->on()); });
    connect(moves_, &MoveRecorder::refused, record, [record] { record->setChecked(false); });
    QAction* rehearsed = add(menus.view, "rehearse", tr("&Rehearse: the next move, large"), [this] { rehearse(); });
    QAction* play = add(menus.sound, "play-scenes", tr("Play the &scenes"), [] {});
    play->setCheckable(true);
    connect(play, &QAction::toggled, &session_.sound, &Sound::setScenes);
    connect(&session_.sound, &Sound::scenesChanged, play, &QAction::setChecked);
    for (const auto& [action, text] : {std::pair(keep, tr("Keep scene")),
                                       {play, tr("Play scenes")},
                                       {record, tr("Moves")},
                                       {rehearsed, tr("Rehearse")}})
        foot_->addWidget(buttonFor(action, text));
}

void TimePlace::keepScene(const QString& name, int bars) {
    const Patch& patch = session_.document.patch();
    Scene scene;
    scene.name =
        name.isEmpty() ? tr("Scene %1").arg(patch.scenes.size() + 1).toStdString() : name.left(40).toStdString();
    scene.bars = std::clamp(bars, 1, 256);
    // Of the first one all that does not stand at rest; of others what stands otherwise than the song has left it.
    std::vector<Scene> scenes = patch.scenes;
    Setting before;
    for (const Scene& one : scenes) {
        for (const auto& [post, knobs] : one.setting)
            for (const auto& [knob, value] : knobs) before[post][knob] = value;
        for (const Move& move : one.moves) before[move.post][move.knob] = move.to;
    }
    for (const Post& post : patch.posts)
        for (const KnobInfo& knob : session_.document.library().part(post)->knobs) {
            const double now = knobValue(post, knob);
            const auto there = before.find(post.id);
            const bool known = there != before.end() && there->second.contains(knob.id);
            if (now == (known ? there->second.at(knob.id) : knob.initial)) continue;
            scene.setting[post.id][knob.id] = now;
            // It stood at rest until now; so that it does when the song begins again, the first scene says so.
            if (!known && !scenes.empty()) scenes.front().setting[post.id][knob.id] = knob.initial;
        }
    const int at = scenes_->chosen() >= 0 ? scenes_->chosen() + 1 : static_cast<int>(scenes.size());
    scenes.insert(scenes.begin() + at, std::move(scene));
    if (session_.document.apply({SetScenes{std::move(scenes)}}, tr("keep a scene"))) scenes_->choose(at);
}

/// Variations one after another become scenes behind those that there are.
void TimePlace::chainVariations() {
    const std::string post = editor_->line().post; // another one may be chosen when the question is answered
    const Post* found = session_.document.patch().post(post);
    if (!found) {
        Q_EMIT message(tr("Choose a line of the sequencer first whose variations are to be chained."), true);
        return;
    }
    bool ok = false;
    const QString words = QInputDialog::getText(
        this, tr("Chain variations"),
        tr("Variations of %1 in their order. A figure is bars, four without one; x2 plays it twice.")
            .arg(q(found->name)),
        QLineEdit::Normal, QStringLiteral("A A B4 C2x2"), &ok);
    if (!ok) return;
    auto chained = chainedVariations(words.toStdString(), session_.document.patch(), session_.document.library(), post);
    if (!chained) {
        Q_EMIT message(said(chained.error().reason), true);
        return;
    }
    std::vector<Scene> scenes = session_.document.patch().scenes;
    std::ranges::move(*chained, std::back_inserter(scenes));
    session_.document.apply({SetScenes{std::move(scenes)}}, tr("chain variations"));
}

void TimePlace::writeScenes() {
    auto* dialog = new ScenesDialog(session_, this);
    dialog->setAttribute(Qt::WA_DeleteOnClose);
    dialog->open();
}

void TimePlace::rehearse() {
    if (session_.document.patch().scenes.empty()) {
        Q_EMIT message(tr("There are no scenes to rehearse; keep one first (Ctrl+Alt+K)."), true);
        return;
    }
    session_.sound.setScenes(true);
    if (!rehearsal_) rehearsal_ = new Rehearsal(session_, this);
    rehearsal_->showFullScreen();
    rehearsal_->setFocus();
}

void TimePlace::startAfresh() {
    editor_->choose(editor_->line(), {});
    editor_->clear();
}

void TimePlace::takeFromMidi() {
    const LineRef line = editor_->line(); // another one may be chosen when the dialog has ended
    const auto sequencer = editor_->sequencer();
    if (!sequencer || !sequencer->plays) {
        Q_EMIT message(tr("Choose a track or a lane first; what the file holds goes there."), true);
        return;
    }
    const QString file =
        QFileDialog::getOpenFileName(this, tr("Take the line from a MIDI file"), {}, tr("MIDI files (*.mid *.midi)"));
    if (file.isEmpty()) return;
    const auto read = readMidiFile(file.toStdString(), line.post);
    if (!read) {
        Q_EMIT message(said(read.error()), true);
        return;
    }
    StepsFromMidi how;
    how.quantize = recorder_->settings().quantize;
    int left = 0;
    const Steps steps = stepsFrom(read->performance, how, &left);
    const Hits hits = line.lane ? hitsFrom(read->performance, how, &left) : Hits{};
    if (!session_.document.patch().post(line.post)) return; // it went meanwhile
    editor_->choose(line, {});
    const QString name = tr("take %1").arg(QFileInfo(file).fileName());
    const bool done = line.lane ? editor_->changeLane(name, [&](Lane& lane) { lane.hits = hits; })
                                : editor_->changeTrack(name, [&](Track& track) { track.steps = steps; });
    if (!done) return;
    QString text = tr("%n step(s) from %1.", nullptr, static_cast<int>(line.lane ? hits.size() : steps.size()))
                       .arg(QFileInfo(file).fileName());
    if (left > 0)
        text += QLatin1Char(' ') + tr("%n note(s) had no step of their own and were left out.", nullptr, left);
    Q_EMIT message(text, false);
}

void TimePlace::saveAsMidi() {
    const Track* track = editor_->track();
    const Lane* lane = editor_->lane();
    if (!track && !lane) {
        Q_EMIT message(tr("Choose a line with steps first; that is what the file will hold."), true);
        return;
    }
    constexpr int kC2 = 36;
    const double tempo = std::max(20.0, tempoOf(session_.document.patch(), session_.document.library()));
    const Performance played = track ? performanceOf(*track, tempo) : performanceOf(*lane, kC2, tempo);
    const QString name = q(track ? track->name : lane->name).left(40);
    const QString file =
        askWhereToSave(this, tr("Save the line as a MIDI file"), name + QStringLiteral(".mid"),
                       tr("MIDI files (*.mid *.midi)"), {QStringLiteral(".mid"), QStringLiteral(".midi")});
    if (file.isEmpty()) return;
    const auto written = writeMidiFile(file.toStdString(), played);
    Q_EMIT message(written ? tr("The line is in %1.").arg(file) : said(written.error()), !written);
}

/// The row that is chosen in the Patch place, or was last: its signal under the lines.
void TimePlace::pinChosen() {
    const Cable* cable = session_.document.patch().cable(session_.selection.cable());
    const JackRef& jack = session_.selection.chosen().jack;
    const JackRef wanted = !jack.post.empty() ? jack : cable ? cable->from : JackRef{};
    if (wanted.post.empty()) {
        if (responder_->pinned().empty()) {
            Q_EMIT message(tr("Choose a row in the Patch place first; then come here and pin its signal."), true);
            return;
        }
        for (const JackRef& one : std::set<JackRef>(responder_->pinned())) responder_->pin(one, false);
        return;
    }
    responder_->pin(wanted, !responder_->pinned().contains(wanted));
}

/// Chosen steps that nobody wrote down; what stands there is tried. All of them are so already: they are known.
void TimePlace::markUnknown() {
    const std::set<int> chosen = editor_->steps();
    const auto among = [&](std::size_t i) { return chosen.contains(static_cast<int>(i)); };
    if (const Lane* lane = editor_->lane(); lane && !chosen.empty()) {
        bool all = true;
        for (std::size_t i = 0; i < lane->hits.size(); ++i) all = all && (!among(i) || lane->hits[i] == Hit::Unknown);
        editor_->changeLane(tr("nobody knows a step"), [&](Lane& line) {
            for (std::size_t i = 0; i < line.hits.size(); ++i)
                if (among(i)) line.hits[i] = all ? Hit::Hit : Hit::Unknown;
        });
    } else if (const Track* track = editor_->track(); track && !chosen.empty()) {
        bool all = true;
        for (std::size_t i = 0; i < track->steps.size(); ++i) all = all && (!among(i) || track->steps[i].unknown);
        editor_->changeSteps(tr("nobody knows a step"), [=](Step& step) { step.unknown = !all; });
    } else {
        Q_EMIT message(tr("Choose steps of a track or lane first."), true);
    }
}

void TimePlace::showMenu(const QPoint& where) {
    auto* menu = new QMenu(this);
    menu->setAttribute(Qt::WA_DeleteOnClose);
    const auto mark = [&](const QString& text, const QString& word) {
        menu->addAction(text, this, [this, word] {
            // The marks go to the step before the cursor when they are typed; here they go to the chosen ones.
            const bool accent = word == QLatin1String("!");
            if (editor_->line().lane) {
                const std::set<int> chosen = editor_->steps();
                editor_->changeLane(tr("accent"), [&](Lane& lane) {
                    for (const int step : chosen)
                        if (step < static_cast<int>(lane.hits.size()) &&
                            lane.hits[static_cast<std::size_t>(step)] != Hit::Rest) {
                            Hit& hit = lane.hits[static_cast<std::size_t>(step)];
                            hit = hit == Hit::Accent ? Hit::Hit : Hit::Accent;
                        }
                });
            } else {
                editor_->changeSteps(accent ? tr("accent") : tr("slide"), [=](Step& step) {
                    bool& which = accent ? step.accent : step.slide;
                    which = !which;
                });
            }
        });
    };
    mark(tr("Accent, or none"), QStringLiteral("!"));
    if (!editor_->line().lane) {
        mark(tr("Slide, or none"), QStringLiteral("~"));
        menu->addAction(tr("Tie"), this, [this] {
            editor_->changeSteps(tr("tie"), [](Step& step) {
                step.kind = Step::Kind::Tie;
                step.gate = 1.0;
                step.unknown = false;
            });
        });
    }
    menu->addAction(tr("Rest"), this, [this] { editor_->clear(); });
    menu->addSeparator();
    menu->addActions(ofSteps_);
    menu->popup(where);
}

} // namespace lariat
