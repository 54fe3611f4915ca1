#include "time/time_place.h"

#include "look/fonts.h"
#include "look/text.h"

#include <QHBoxLayout>
#include <QMenu>
#include <QVBoxLayout>

namespace lariat {

TimePlace::TimePlace(const Session& session, QWidget* parent) : Place(parent), session_(session) {
    editor_ = new LineEditor(session, this);
    responder_ = new Responder(session, [this](const std::string& post) { return editor_->shown(post); }, this);
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
    auto* line = new QHBoxLayout;
    line->setContentsMargins(16, 6, 12, 6);
    line->setSpacing(10);
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
    line->addWidget(wordsOf_);
    line->addWidget(words_, 1);
    column->addLayout(line);
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
    wordsOf_->setText(can ? QStringLiteral("%1 · %2").arg(QLatin1Char(static_cast<char>('A' + editor_->shown(line.post)))).arg(name)
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
             << add(menus.patch, "humanize-steps", tr("Hu&manize velocities and gates"), [this] { editor_->humanize(); })
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
    add(menus.patch, "fit-sustain", tr("Fit: just reach &sustain"), [this] {
        if (auto* button = panel_->findChild<QAbstractButton*>(QStringLiteral("fit-sustain"))) button->click();
    });
    add(menus.patch, "fit-next", tr("Fit: just end before the &next note"), [this] {
        if (auto* button = panel_->findChild<QAbstractButton*>(QStringLiteral("fit-next"))) button->click();
    });
    add(menus.view, "steps-larger", tr("&Wider steps"), [this] { chart_->setZoom(chart_->zoom() * 1.25); });
    add(menus.view, "steps-smaller", tr("&Narrower steps"), [this] { chart_->setZoom(chart_->zoom() / 1.25); });
    add(menus.view, "page-back", tr("&Page before"), [this] { chart_->turnPage(editor_->line().post, -1); });
    add(menus.view, "page-on", tr("Ne&xt page"), [this] { chart_->turnPage(editor_->line().post, 1); });
    add(menus.view, "pin-jack", tr("Show the chosen ro&w's signal here, or no longer"), [this] { pinChosen(); });
}

void TimePlace::startAfresh() {
    editor_->choose(editor_->line(), {});
    editor_->clear();
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
                        if (step < static_cast<int>(lane.hits.size()) && lane.hits[static_cast<std::size_t>(step)] != Hit::Rest) {
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
            });
        });
    }
    menu->addAction(tr("Rest"), this, [this] { editor_->clear(); });
    menu->addSeparator();
    menu->addActions(ofSteps_);
    menu->popup(where);
}

} // namespace lariat
