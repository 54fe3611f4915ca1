#include "bench/bench_place.h"

#include "ask/on_sheet.h"
#include "building/sentences.h"
#include "library/check.h"
#include "look/fonts.h"
#include "look/text.h"
#include "model/file.h"
#include "print/plot_picture.h"
#include "shell/finder.h"
#include "shell/theme.h"
#include "widgets/blind_dialog.h"
#include "widgets/file_dialog.h"
#include "widgets/find_dialog.h"
#include "widgets/frames.h"
#include "widgets/plain.h"

#include <QBuffer>
#include <QDragEnterEvent>
#include <QFileDialog>
#include <QMimeData>
#include <QRandomGenerator>

#include <algorithm>

namespace lariat {
namespace {

constexpr int kNarrow = 1040;
constexpr int kWaitMilliseconds = 220;
constexpr int kOftenMilliseconds = 400;
constexpr int kBlindRounds = 10;
constexpr QSize kPictureSize(1280, 800);

/// Rules of findings and the question that goes deeper into them.
Question questionOfRule(const std::string& rule) {
    for (const char* loud : {"sum-clips", "overload", "hot-line", "noise-raised", "dc-out", "one-sided-sum",
                             "loop-gain", "sudden-loudness", "no-sound", "no-path"})
        if (rule == loud) return Question::Loud;
    for (const char* note :
         {"wrong-pitch", "pitch-on-follower", "filter-untracked", "fm-pulls-pitch", "split-sags", "tuning-unheard"})
        if (rule == note) return Question::Note;
    for (const char* same : {"drum-not-reset", "struck-twice", "tail-runs-on"})
        if (rule == same) return Question::Same;
    if (rule == "clocks-drift") return Question::Relate;
    if (rule == "turned-to-noise") return Question::Content;
    return Question::Shape;
}

bool isSoundFile(const QString& file) {
    for (const char* end : {".wav", ".flac", ".aif", ".aiff"})
        if (file.endsWith(QLatin1String(end), Qt::CaseInsensitive)) return true;
    return false;
}

} // namespace

BenchPlace::BenchPlace(const Session& session, QWidget* parent) : Place(parent), session_(session), live_(session) {
    setAcceptDrops(true);
    turns_ = new Turns(session, this);
    panel_ = new AskedPanel(session, this);
    auto* across = new QHBoxLayout(this);
    across->setContentsMargins(0, 0, 0, 0);
    across->setSpacing(0);
    across->addWidget(panel_);
    across->addWidget(makeMiddle(), 1);
    right_ = new FiguresPanel;
    across->addWidget(right_);
    connect(right_, &FiguresPanel::offerTaken, this, &BenchPlace::accept);
    connect(right_, &FiguresPanel::findWanted, this, &BenchPlace::findSettings);
    setFocusProxy(&panel_->questions());
    wait_.setSingleShot(true);
    wait_.setInterval(kWaitMilliseconds);
    connect(&wait_, &QTimer::timeout, this, [this] { ask(); });
    frames_.setInterval(kScreenFrame);
    connect(&frames_, &QTimer::timeout, this, &BenchPlace::look);
    often_.setInterval(kOftenMilliseconds);
    connect(&often_, &QTimer::timeout, this, [this] {
        if (panel_->live() && !panel_->held() && !job_) ask();
    });
    connect(panel_, &AskedPanel::changed, this, [this] {
        follow();
        panel_->refresh();
        askSoon();
    });
    connect(panel_, &AskedPanel::addJackWanted, this, &BenchPlace::chooseJack);
    recordings_ = new Recordings(session, *panel_);
    connect(recordings_, &Recordings::message, this, &BenchPlace::message);
    connect(panel_, &AskedPanel::jackFollowed, this, [this](const JackRef& jack) {
        if (jack.post.empty()) return;
        Chosen chosen;
        chosen.post = jack.post;
        chosen.jack = jack;
        session_.navigator.show(QStringLiteral("patch"), chosen);
    });
    connect(panel_, &AskedPanel::againstFileWanted, this, [this] {
        const QString file =
            QFileDialog::getOpenFileName(window(), tr("Hold it against a patch"), {}, tr("Patches (*.json *.lariat)"));
        panel_->fillAgainst();
        if (!file.isEmpty()) holdAgainstFile(file);
    });
    connect(panel_, &AskedPanel::fitWanted, this, [this] { ask(true); });
    connect(panel_, &AskedPanel::turnsWanted, this, &BenchPlace::hearTurns);
    connect(panel_, &AskedPanel::blindWanted, this, &BenchPlace::hearBlind);
    connect(panel_, &AskedPanel::pinWanted, this, [this] {
        if (panel_->jacks().empty()) return;
        Chosen chosen;
        chosen.post = panel_->jacks().front().post;
        chosen.jack = panel_->jacks().front();
        session_.navigator.show(QStringLiteral("time"), chosen);
        if (auto* pin = window()->findChild<QAction*>(QStringLiteral("pin-jack")); pin && pin->isEnabled())
            pin->trigger();
    });
    connect(panel_, &AskedPanel::sheetWanted, this, &BenchPlace::askOnSheet);
    connect(plots_, &PlotsView::cursorsMoved, this, [this] { cursors_->setText(plots_->cursorText()); });
    connect(&session_.document, &Document::replaced, this, [this] {
        if (job_) job_->stop();
        job_.reset();
        turns_->stop();
        panel_->forget();
        answer_.reset();
        plots_->show({});
        stale_ = true;
    });
    connect(&session_.document, &Document::changed, this, [this] {
        const QStringList gone = panel_->leaveOutGone();
        if (!gone.isEmpty())
            Q_EMIT message(tr("%1 is gone, and no longer asked of.").arg(gone.join(QStringLiteral(", "))), false);
        if (!isVisible()) { // it is looked at anew when it is shown
            stale_ = true;
            return;
        }
        panel_->refresh();
        follow();
        if (!panel_->live() || !gone.isEmpty()) askSoon();
    });
    connect(turns_, &Turns::changed, this, [this] {
        const QSignalBlocker quiet(panel_->turns_);
        const auto playing = turns_->playing();
        panel_->turns_->setChecked(playing.has_value());
        panel_->turns_->setText(!playing        ? tr("Hear in turns")
                                : *playing == 0 ? tr("Heard: this one")
                                                : tr("Heard: the other"));
    });
    recolour();
}

QWidget* BenchPlace::makeMiddle() {
    auto* whole = new QWidget;
    auto* column = new QVBoxLayout(whole);
    column->setContentsMargins(12, 12, 12, 10);
    column->setSpacing(8);
    card_ = new QFrame;
    card_->setObjectName(QStringLiteral("answer-card"));
    auto* inside = new QVBoxLayout(card_);
    inside->setContentsMargins(16, 10, 16, 10);
    inside->setSpacing(2);
    verdict_ = plainLabel({}, lariat::look().ink, 16, true);
    verdict_->setObjectName(QStringLiteral("verdict"));
    verdict_->setTextInteractionFlags(Qt::TextSelectableByMouse);
    more_ = plainLabel({}, lariat::look().softInk, 13);
    more_->setObjectName(QStringLiteral("more"));
    inside->addWidget(verdict_);
    inside->addWidget(more_);
    card_->setMinimumHeight(72);
    column->addWidget(card_);
    plots_ = new PlotsView;
    plots_->setEmptyText(
        tr("Choose a question at the left, and what it is asked of: a jack, with the button or with F4 in the "
           "Patch, or a recording. The answer stands here."));
    column->addWidget(plots_, 1);
    auto* foot = new QHBoxLayout;
    cursors_ = plainLabel({}, lariat::look().softInk);
    cursors_->setObjectName(QStringLiteral("cursors"));
    cursors_->setWordWrap(false);
    stop_ = plainButton(tr("Stop"), "bench-stop");
    stop_->hide();
    picture_ = plainButton(tr("Save picture…"), "bench-picture");
    table_ = plainButton(tr("Save figures…"), "bench-figures");
    foot->addWidget(cursors_, 1);
    foot->addWidget(stop_);
    foot->addWidget(picture_);
    foot->addWidget(table_);
    column->addLayout(foot);
    connect(stop_, &QPushButton::clicked, this, [this] {
        if (job_) job_->stop();
        job_.reset();
        stop_->hide();
        more_->setText(tr("Stopped."));
    });
    connect(picture_, &QPushButton::clicked, this, [this] {
        const QString file =
            askWhereToSave(window(), tr("Save the picture"), tr("answer.svg"), tr("Pictures (*.svg *.png)"),
                           {QStringLiteral(".svg"), QStringLiteral(".png")});
        if (!file.isEmpty()) writePicture(file);
    });
    connect(table_, &QPushButton::clicked, this, [this] {
        const QString file =
            askWhereToSave(window(), tr("Save the figures"), tr("answer.csv"), tr("Tables (*.csv *.json)"),
                           {QStringLiteral(".csv"), QStringLiteral(".json")});
        if (!file.isEmpty()) writeFigures(file);
    });
    return whole;
}

void BenchPlace::addActions(const Menus& menus) {
    addNamed(menus.view, "ask-again", tr("Ask again"), this, [this] { ask(); });
    for (int n = 0; n < kQuestionCount; ++n) {
        const auto question = static_cast<Question>(n);
        addNamed(menus.view, (std::string("question-") + questionId(question)).c_str(), said(questionText(question)),
                 this, [this, question] { panel_->choose(question); });
    }
    addNamed(menus.patch, "bench-jack", tr("Ask of another jack…"), this, [this] { chooseJack(); });
}

void BenchPlace::addActionsForAll(const Menus& menus) {
    addNamed(menus.view, "ask", tr("Ask about what is chosen"), this,
             [this] { askAbout(session_.selection.chosen()); });
    addNamed(menus.view, "ask-also", tr("Ask of what is chosen as well"), this,
             [this] { askAbout(session_.selection.chosen(), true); });
}

Question BenchPlace::questionFor(const JackRef& jack, const Chosen& chosen) const {
    for (const Finding& finding : session_.checker.findings())
        if ((finding.cable != 0 && finding.cable == chosen.cable) ||
            (finding.cable == 0 && chosen.cable == 0 && finding.post == chosen.post && isProblem(finding)))
            return questionOfRule(finding.rule);
    const JackInfo* info = session_.document.library().jack(session_.document.patch(), jack);
    if (!info) return Question::Loud;
    if (info->kind == SignalKind::Pitch) return Question::Note;
    if (info->kind != SignalKind::Audio) return Question::Shape;
    if (!chosen.steps.empty()) return Question::Same;
    return gateBehind(session_.document.patch(), session_.document.library(), jack) ? Question::Same : Question::Note;
}

void BenchPlace::askAbout(const Chosen& chosen, bool also) {
    const Patch& patch = session_.document.patch();
    const Library& library = session_.document.library();
    JackRef jack = chosen.jack;
    if (jack.post.empty() && chosen.cable != 0)
        if (const Cable* cable = patch.cable(chosen.cable)) jack = cable->from;
    if (jack.post.empty() && !chosen.line.post.empty())
        if (const auto sequencer = sequencerOf(patch, library, chosen.line.post))
            for (const SequencerLine& line : sequencer->lines)
                if (line.at == chosen.line && !line.jacks.empty())
                    jack = {chosen.line.post, line.gate.empty() ? line.jacks.front() : line.gate};
    if (jack.post.empty())
        if (const Post* post = patch.post(chosen.post))
            for (const JackInfo& one : library.part(*post)->jacks)
                if (one.output && jack.post.empty()) jack = {post->id, one.id};
    if (jack.post.empty() && !also) { // nothing is chosen: the whole of it
        panel_->choose(Question::Loud);
        session_.navigator.go(QStringLiteral("bench"));
        return;
    }
    const bool there = session_.navigator.place() == QLatin1String("bench");
    if (!also) panel_->choose(questionFor(jack, chosen));
    if (!panel_->addJack(jack, !also)) Q_EMIT message(tr("It is asked of already, or there are eight."), false);
    if (!there && !also) {
        session_.navigator.show(QStringLiteral("bench"), chosen);
    } else if (also) {
        Q_EMIT message(tr("The Bench is asked of %n jack(s) now.", nullptr, static_cast<int>(panel_->jacks().size())),
                       false);
    }
}

void BenchPlace::chooseJack() {
    const Patch patch = session_.document.patch(); // what is open may become another one meanwhile
    const Library& library = session_.document.library();
    Finder finder(tr("Ask of a jack"), tr("Type part of a post's or jack's name"), window());
    std::optional<JackRef> chosen;
    finder.add(tr("way out"), [&] { chosen = JackRef{}; });
    finder.add(tr("way out, right"), [&] { chosen = JackRef{"", "right"}; });
    for (const bool output : {true, false})
        for (const Post& post : patch.posts)
            for (const JackInfo& jack : library.part(post)->jacks)
                if (jack.output == output) {
                    const JackRef ref{post.id, jack.id};
                    const QString name = q(trackName(patch, library, ref));
                    finder.add(output ? name : tr("%1 (what comes in)").arg(name), [&chosen, ref] { chosen = ref; });
                }
    finder.exec();
    if (!chosen) return;
    if (!chosen->post.empty() && !session_.document.library().jack(session_.document.patch(), *chosen)) return;
    panel_->addJack(*chosen);
}

void BenchPlace::holdAgainstFile(const QString& file) {
    auto patch = openPatch(file.toStdString(), session_.document.library());
    if (!patch) {
        Q_EMIT message(said(patch.error()), true);
        return;
    }
    panel_->holdAgainst(
        {file.section(QLatin1Char('/'), -1), std::make_shared<const Patch>(std::move(*patch)), {}, true});
    askSoon();
}

void BenchPlace::askSoon() {
    if (!isVisible()) {
        stale_ = true;
        return;
    }
    wait_.start();
}

void BenchPlace::ask(bool fit) {
    wait_.stop();
    stale_ = false;
    if (job_) job_->stop();
    job_.reset();
    Asking asking = panel_->asking();
    asking.fits = fit;
    if (!fit) asking.knobs.clear();
    if (fit && asking.knobs.empty()) {
        stop_->hide();
        more_->setText(tr("Tick the knobs that may differ first."));
        return;
    }
    if (fit) asking.seconds = 0.0;
    if (asking.question == Question::Better && !asking.against && asking.recordings.size() + asking.jacks.size() < 2) {
        refuse(say("Choose what it is held against: a setting, a take, a patch file, or a second jack or recording."));
        return;
    }
    asksLive_ = panel_->live();
    if (asksLive_) {
        asking.given = live_.traces(panel_->jacks());
        if (asking.given.empty() && asking.recordings.empty()) {
            refuse(say("The running patch has given nothing yet: start it, and choose a jack."));
            return;
        }
        if (asking.options.window && *asking.options.window > LiveTraces::kSeconds)
            asking.options.window = LiveTraces::kSeconds;
    }
    const auto patch = std::make_shared<const Patch>(session_.document.patch());
    const Library* library = &session_.document.library();
    if (!asksLive_) {
        stop_->show();
        more_->setText(fit ? tr("Knobs are being turned…") : tr("Asking…"));
    }
    job_ = session_.jobs.start(
        fit ? tr("Finding knobs") : tr("Asking"), this,
        [asking = std::move(asking), patch, library](const Progress& progress) {
            return answerTo(asking, patch.get(), *library, [&](double done) { return progress(done); });
        },
        [this, moved = !panel_->held()](Result<Answer> answer) {
            job_.reset();
            stop_->hide();
            if (asksLive_ && moved && panel_->held() && answer_) return; // held meanwhile: it stands still
            show(std::move(answer));
        });
}

void BenchPlace::refuse(const Sentence& why) {
    verdict_->setText(said(why));
    more_->clear();
    answer_.reset();
    plots_->show({});
    showAnswer();
}

void BenchPlace::show(Result<Answer> answer) {
    if (!answer) return refuse(answer.error().reason);
    answer_ = std::move(*answer);
    verdict_->setText(said(answer_->verdict));
    QStringList more;
    if (!answer_->more.empty()) more << said(answer_->more);
    for (const Sentence& one : answer_->also) more << said(one);
    more_->setText(more.join(QStringLiteral(" · ")));
    double period = 0.0;
    for (const AskedFigure& figure : answer_->figures)
        if (figure.id.starts_with("period-seconds") && figure.value && period == 0.0) period = *figure.value;
    plots_->show(answer_->plots, period);
    showAnswer();
    if (asksLive_ && panel_->single() && answer_->figure("hertz") != nullptr) panel_->setHeld(true);
}

void BenchPlace::showAnswer() {
    picture_->setEnabled(answer_.has_value());
    table_->setEnabled(answer_.has_value());
    right_->show(answer_, asksLive_);
    right_->setFindable(!panel_->jacks().empty() && !panel_->jacks().front().post.empty());
}

void BenchPlace::accept(std::size_t offer) {
    if (!answer_ || offer >= answer_->offers.size()) return;
    const AskedOffer taken = answer_->offers[offer]; // the answer goes as soon as the patch is another one
    if (taken.change ? changeModule(taken) : session_.document.apply(taken.edits, said(taken.label)))
        Q_EMIT message(tr("Done: %1").arg(said(taken.label)), false);
}

/// It may be another one by now, or gone.
bool BenchPlace::changeModule(const AskedOffer& offer) {
    const ModuleInfo* there = session_.document.library().module(offer.module);
    if (!there) return false;
    auto changed = offer.change(*there);
    if (!changed) {
        Q_EMIT message(said(changed.error().reason), true);
        return false;
    }
    return session_.document.changeModule(std::move(*changed), said(offer.label));
}

void BenchPlace::follow() {
    std::vector<JackRef> wanted;
    if (panel_->live() && isVisible()) wanted = panel_->jacks();
    live_.follow(wanted);
    const bool runs = !wanted.empty();
    runs ? frames_.start() : frames_.stop();
    runs ? often_.start() : often_.stop();
}

/// Only the traces move from frame to frame; their figures follow when they are asked for anew.
void BenchPlace::look() {
    if (panel_->held() || panel_->question() != Question::Shape || !answer_ || answer_->plots.empty()) return;
    const Plot& plot = answer_->plots.front();
    if (plot.id != "traces") return;
    const AskOptions options = panel_->asking().options;
    const double shown = (plot.x.unit == "s" ? 1.0 : 1e-3) * (plot.x.high - plot.x.low);
    const bool rolls = options.window && *options.window > LiveTraces::kSeconds;
    auto curves = live_.curves(panel_->jacks(), rolls ? *options.window : shown, options.trigger);
    if (!curves.empty()) plots_->refresh(std::move(curves));
}

/// The sheet asks it too, or no longer.
void BenchPlace::askOnSheet(bool on) {
    const auto question = forSheet(panel_->asking());
    if (!question) {
        Q_EMIT message(said(question.error().reason), true);
        panel_->refresh();
        return;
    }
    if (session_.document.apply({AskOnSheet{*question, on}}, on ? tr("onto the sheet") : tr("off the sheet")))
        Q_EMIT message(on ? tr("The sheet asks it too, and shows the answer.") : tr("The sheet asks it no longer."),
                       false);
}

/// LUFS of that track, as the answer has it.
std::optional<double> BenchPlace::levelOf(std::size_t track) const {
    const AskedFigure* figure = answer_ ? answer_->figure(fmt::format("level-{}", track + 1)) : nullptr;
    return figure ? figure->value : std::nullopt;
}

void BenchPlace::hearTurns(bool on) {
    if (!on) return turns_->stop();
    const AskedPanel::Against* other = panel_->against();
    const bool recorded = panel_->againstSecond();
    if (!recorded && (!other || !other->patch)) return;
    const auto own = levelOf(0);
    auto others = levelOf(1);
    if (!others && !recorded) others = other->lufs;
    if (recorded)
        turns_->set({{{}, own, panel_->recordings()[0].trace}, {{}, others, panel_->recordings()[1].trace}});
    else
        turns_->set({{std::make_shared<const Patch>(session_.document.patch()), own}, {other->patch, others}});
    turns_->takeTurns();
}

void BenchPlace::hearBlind() {
    const AskedPanel::Against* other = panel_->against();
    const bool recorded = panel_->againstSecond();
    if (!recorded && (!other || !other->patch)) return;
    turns_->stop();
    std::vector<BlindDialog::Entry> entries;
    if (recorded) {
        for (std::size_t n = 0; n < 2; ++n) {
            const auto& trace = panel_->recordings()[n].trace;
            entries.push_back({static_cast<std::int64_t>(n), q(trace->name), {{}, levelOf(n), trace}});
        }
    } else {
        entries = {{0, tr("this one"), {std::make_shared<const Patch>(session_.document.patch()), {}}},
                   {1, other->name, {other->patch, other->lufs}}};
    }
    BlindDialog dialog(session_, std::move(entries), kBlindRounds, QRandomGenerator::global()->generate(), window());
    dialog.exec();
    if (dialog.isOver()) more_->setText(dialog.result());
}

void BenchPlace::findSettings() {
    if (panel_->jacks().empty()) return;
    const Patch& patch = session_.document.patch();
    const Post* post = patch.post(panel_->jacks().front().post);
    if (!post) return;
    const std::string id = post->id;
    Finder finder(tr("Find the setting for…"), tr("Type the knob that may be turned"), window());
    std::string knob;
    for (const KnobInfo& one : session_.document.library().part(*post)->knobs)
        if (!one.momentary && one.scale.taper != Taper::Switch)
            finder.add(QStringLiteral("%1 %2").arg(q(post->name), q(one.name)),
                       [&knob, which = one.id] { knob = which; });
    finder.exec();
    if (!knob.empty() && session_.document.patch().post(id)) findSetting(session_, id, knob, window());
}

void BenchPlace::writePicture(const QString& file) {
    if (!answer_) return;
    const Look& l = lariat::look();
    Result<void> written;
    if (file.endsWith(QLatin1String(".png"), Qt::CaseInsensitive)) {
        QByteArray bytes;
        QBuffer buffer(&bytes);
        buffer.open(QIODevice::WriteOnly);
        answerImage(*answer_, l, kPictureSize).save(&buffer, "PNG");
        written = writeFile(file.toStdString(), bytes.toStdString(), FileKind::Picture);
    } else {
        written = writeFile(file.toStdString(), answerSvg(*answer_, l, kPictureSize), FileKind::Picture);
    }
    Q_EMIT message(written ? tr("Written: %1").arg(file) : said(written.error()), !written);
}

void BenchPlace::writeFigures(const QString& file) {
    if (!answer_) return;
    const bool json = file.endsWith(QLatin1String(".json"), Qt::CaseInsensitive);
    const auto written =
        writeFile(file.toStdString(), json ? answerJson(*answer_, true) : answerCsv(*answer_), FileKind::Text);
    Q_EMIT message(written ? tr("Written: %1").arg(file) : said(written.error()), !written);
}

void BenchPlace::showEvent(QShowEvent* event) {
    Place::showEvent(event);
    panel_->refresh();
    if (panel_->question() == Question::Better) panel_->fillAgainst();
    follow();
    if (stale_ || !answer_) wait_.start();
}

/// On a narrow page, figures leave the pictures what room there is.
void BenchPlace::resizeEvent(QResizeEvent* event) {
    Place::resizeEvent(event);
    right_->setNarrow(width() < kNarrow);
}

void BenchPlace::hideEvent(QHideEvent* event) {
    Place::hideEvent(event);
    turns_->stop();
    follow();
}

void BenchPlace::changeEvent(QEvent* event) {
    Place::changeEvent(event);
    if (event->type() != QEvent::PaletteChange && event->type() != QEvent::StyleChange) return;
    recolour();
    showAnswer();
}

void BenchPlace::recolour() {
    const Look& l = lariat::look();
    card_->setStyleSheet(
        QStringLiteral("QFrame#answer-card { background: %1; border: 1px solid %2; border-radius: 4px; }")
            .arg(l.card.name(), l.line.name()));
    verdict_->setStyleSheet(QStringLiteral("color: %1").arg(l.ink.name()));
    more_->setStyleSheet(QStringLiteral("color: %1").arg(l.softInk.name()));
    cursors_->setStyleSheet(QStringLiteral("color: %1").arg(l.softInk.name()));
    panel_->recolour();
}

void BenchPlace::dragEnterEvent(QDragEnterEvent* event) {
    const auto urls = event->mimeData()->urls();
    if (std::ranges::any_of(urls, [](const QUrl& url) { return url.isLocalFile() && isSoundFile(url.toLocalFile()); }))
        event->acceptProposedAction();
}

void BenchPlace::dropEvent(QDropEvent* event) {
    for (const QUrl& url : event->mimeData()->urls())
        if (url.isLocalFile() && isSoundFile(url.toLocalFile())) recordings_->add(url.toLocalFile());
    event->acceptProposedAction();
}

} // namespace lariat
