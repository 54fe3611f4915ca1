#include "patch/inspector.h"

#include "building/flow.h"
#include "engine/graph.h"
#include "library/meaning.h"
#include "library/reach.h"
#include "library/tie.h"
#include "look/fonts.h"
#include "look/text.h"
#include "patch/finding_card.h"
#include "patch/jack_row.h"
#include "patch/jack_state.h"
#include "patch/plug_warning.h"
#include "shell/theme.h"

#include <QGridLayout>
#include <QInputDialog>
#include <QLabel>
#include <QPushButton>
#include <QScrollBar>

namespace lariat {
namespace {

constexpr int kColumns = 3;
constexpr qsizetype kMostElsewhere = 6; ///< findings that are named beside those of the chosen post
constexpr const char* kAllFindings = "all";
constexpr int kFollowMilliseconds = 100;
constexpr double kReachSeconds = 2.0; ///< of the past that the reach of a modulation is taken from

} // namespace

Inspector::Inspector(const Session& session, Chart& chart, QWidget* parent)
    : QScrollArea(parent), session_(session), chart_(chart) {
    setFrameShape(QFrame::NoFrame);
    setWidgetResizable(true);
    setHorizontalScrollBarPolicy(Qt::ScrollBarAlwaysOff);
    setAccessibleName(tr("Inspector"));
    connect(&chart_, &Chart::selectionChanged, this, &Inspector::refresh);
    connect(&session_.document, &Document::changed, this, &Inspector::refresh);
    connect(&session_.checker, &Checker::findingsChanged, this, &Inspector::refresh);
    connect(&session_.sound, &Sound::controllerMoved, this, [this](int number, int) { takeController(number); });
    connect(&follower_, &QTimer::timeout, this, &Inspector::follow);
    follower_.start(kFollowMilliseconds);
    refresh();
}

Knob* Inspector::knob(const std::string& id) const {
    const auto it = knobs_.find(id);
    return it == knobs_.end() ? nullptr : it->second;
}

void Inspector::forgetPending() {
    pending_ = {};
    refresh();
}

/// Everything that the page says, except where knobs and switches stand.
QString Inspector::wording() const {
    const Patch& patch = session_.document.patch();
    QStringList words = {q(chart_.selectedPost()), QString::number(chart_.selectedCable()), q(pending_.text()),
                         look().ink.name()};
    if (const Cable* cable = patch.cable(chart_.selectedCable()))
        words << QString::number(patch.row(cable->id)) << q(cable->note) << QString::number(cable->lengthCm)
              << q(cable->colour);
    if (const Post* post = patch.post(chart_.selectedPost())) {
        words << q(post->note) << q(post->name) << q(post->module) << q(post->part) << q(post->voice) << q(post->sample)
              << q(post->tuning);
        const PartInfo& part = *session_.document.library().part(*post);
        for (const KnobInfo& knob : part.knobs) words << q(*knobInForce(patch, *post, part, knob).name);
        for (const JackInfo& jack : session_.document.library().part(*post)->jacks)
            words << jackState({post->id, jack.id}, patch, session_.document.library(),
                               session_.sound.engine().normals())
                         .text;
    } else {
        words << QString::number(patch.posts.size());
    }
    for (const Finding& finding : session_.checker.findings()) {
        words << QString::number(patch.row(finding.cable)) << q(finding.post) << said(finding.figure)
              << said(finding.reason);
        for (const Fix& fix : finding.fixes) words << said(fix.label);
    }
    return words.join(QLatin1Char('\n'));
}

void Inspector::refresh() {
    for (const auto& [id, knob] : knobs_)
        if (knob->turning()) return;                               // the page stays under the hand that turns
    if (note_ && note_->hasFocus() && note_->isModified()) return; // … or writes
    const QString words = wording();
    if (words != shown_) {
        shown_ = words;
        rebuild();
        return;
    }
    const Post* post = session_.document.patch().post(post_);
    if (!post) return;
    const PartInfo& part = *session_.document.library().part(*post);
    for (const auto& [id, knob] : knobs_) {
        knob->showValue(knobInForce(session_.document.patch(), *post, part, *part.knob(id)).value);
        markKnob(*knob, *post, id);
    }
    for (const auto& [id, box] : switches_) box->setCurrentIndex(static_cast<int>(knobValue(*post, *part.knob(id))));
}

void Inspector::rebuild() {
    const int scrolled = chart_.selectedPost() == post_ ? verticalScrollBar()->value() : 0;
    const QString focused = focusWidget() && isAncestorOf(focusWidget()) ? focusWidget()->objectName() : QString();
    auto* page = new QWidget;
    page->setAutoFillBackground(true);
    layout_ = new QVBoxLayout(page);
    layout_->setContentsMargins(14, 12, 12, 16);
    layout_->setSpacing(4);
    knobs_.clear();
    switches_.clear();
    post_ = chart_.selectedPost();
    const Post* post = session_.document.patch().post(post_);
    if (!post) {
        pending_ = session_.document.patch().post(pending_.post) ? pending_ : JackRef{};
        addHeading(tr("Nothing chosen"));
        addText(session_.document.patch().posts.empty()
                    ? tr("Take a first part from the case with Patch, Add from the case.")
                    : tr("Choose a post or a row of the chart to see its knobs and jacks."));
        addFindings();
    } else {
        const PartInfo& part = *session_.document.library().part(*post);
        addHead(*post, part);
        addFindings();
        if (const Cable* cable = session_.document.patch().cable(chart_.selectedCable())) addCable(*cable);
        addKnobs(*post, part);
        addJacks(*post, part);
    }
    layout_->addStretch();
    if (QWidget* old = takeWidget()) old->deleteLater(); // it may be the sender of what led here
    setWidget(page);
    page->show();
    layout_->activate();
    verticalScrollBar()->setValue(scrolled);
    if (!focused.isEmpty())
        if (auto* again = page->findChild<QWidget*>(focused)) again->setFocus();
}

void Inspector::addHeading(const QString& text) {
    auto* label = new QLabel(text);
    label->setFont(textFont(14, true));
    label->setContentsMargins(0, 8, 0, 2);
    layout_->addWidget(label);
}

void Inspector::addText(const QString& text) {
    auto* label = new QLabel(text);
    label->setWordWrap(true);
    label->setFont(textFont(13));
    QPalette palette = label->palette();
    palette.setColor(QPalette::WindowText, look().softInk);
    label->setPalette(palette);
    layout_->addWidget(label);
}

void Inspector::addHead(const Post& post, const PartInfo& part) {
    auto* name = new QLabel(q(post.name));
    name->setFont(textFont(18, true));
    layout_->addWidget(name);
    const ModuleInfo* module = session_.document.library().module(post.module);
    QString about = q(module->description.name);
    if (module->parts.size() > 1) about += QStringLiteral(", ") + q(part.name);
    if (!post.voice.empty()) about += QStringLiteral(" · ") + q(post.voice);
    addText(about);
    if (!post.note.empty()) addText(tr("“%1”").arg(q(post.note)));
    if (!pending_.post.empty())
        addText(tr("%1 waits for its other end: click a jack, or press Esc.")
                    .arg(q(tieName(pending_, session_.document.patch(), session_.document.library()))));
}

void Inspector::addKnobs(const Post& post, const PartInfo& part) {
    auto* grid = new QGridLayout;
    grid->setContentsMargins(0, 8, 0, 0);
    grid->setSpacing(0);
    int count = 0;
    for (const KnobInfo& info : part.knobs) {
        if (info.scale.taper == Taper::Switch) continue;
        // What the knob does now may be another thing than without plugs; its place on the dial is the same.
        const KnobInForce now = knobInForce(session_.document.patch(), post, part, info);
        const Scale scale = *now.scale;
        const auto toOwn = [scale, own = info.scale](double value) { return own.toValue(scale.toFraction(value)); };
        auto* knob = new Knob(q(*now.name), scale, scale.toValue(info.scale.toFraction(info.initial)));
        knob->setObjectName(QStringLiteral("knob-") + q(info.id));
        knob->showValue(now.value);
        Document& document = session_.document;
        connect(knob, &Knob::turned, this, [&document, toOwn, post = post.id, id = info.id](double value) {
            document.turnKnob(post, id, toOwn(value));
        });
        connect(knob, &Knob::released, this, [this] {
            session_.document.endTurning();
            QMetaObject::invokeMethod(this, &Inspector::refresh, Qt::QueuedConnection);
        });
        markKnob(*knob, post, info.id);
        const std::string id = info.id;
        connect(knob, &Knob::lockWanted, this, [this, p = post.id, id](bool on) { describeKnob(p, id, false, on); });
        connect(knob, &Knob::noteWanted, this, [this, p = post.id, id] { describeKnob(p, id, true, false); });
        connect(knob, &Knob::learnWanted, this, [this, p = post.id, id] { learn(p, id); });
        connect(knob, &Knob::forgetWanted, this, [this, p = post.id, id] {
            session_.document.apply({ForgetController{p, id}}, tr("free a knob of its controller"));
        });
        connect(knob, &Knob::refused, this, [this](const QString& reason) { Q_EMIT message(reason, true); });
        grid->addWidget(knob, count / kColumns, count % kColumns, Qt::AlignHCenter);
        knobs_[info.id] = knob;
        ++count;
    }
    if (count > 0) layout_->addLayout(grid);
    for (const KnobInfo& info : part.knobs)
        if (info.scale.taper == Taper::Switch) addSwitch(post, info);
    addSources(post, part);
    addRegister(post, part);
}

void Inspector::addSwitch(const Post& post, const KnobInfo& info) {
    auto* line = new QHBoxLayout;
    line->setContentsMargins(0, 2, 0, 2);
    auto* label = new QLabel(q(info.name));
    label->setFont(textFont(13, true));
    label->setFixedWidth(92);
    auto* box = new QComboBox;
    box->setObjectName(QStringLiteral("switch-") + q(info.id));
    box->setAccessibleName(q(info.name));
    box->setSizeAdjustPolicy(QComboBox::AdjustToMinimumContentsLengthWithIcon);
    for (const std::string& word : info.scale.words) box->addItem(q(word));
    box->setCurrentIndex(static_cast<int>(knobValue(post, info)));
    label->setBuddy(box);
    Document& document = session_.document;
    connect(box, &QComboBox::activated, this, [&document, post = post.id, id = info.id](int index) {
        document.turnKnob(post, id, index);
        document.endTurning();
    });
    line->addWidget(label);
    line->addWidget(box, 1);
    layout_->addLayout(line);
    switches_[info.id] = box;
}

/// Chaos that can be caught: the bits that the register holds now become what its state knob brings back.
void Inspector::addRegister(const Post& post, const PartInfo& part) {
    const KnobInfo* state = part.knobFor("shift-register", "state");
    if (!state) return;
    auto* keep = new QPushButton(tr("Keep the present state"));
    keep->setObjectName(QStringLiteral("keep-state"));
    keep->setToolTip(tr("Writes the eight bits into the State switch; a trigger at restore brings them back."));
    session_.sound.engine().told(post.id); // from now on it tells
    connect(keep, &QPushButton::clicked, this, [this, id = post.id, knob = state->id] {
        const auto told = session_.sound.engine().told(id);
        if (!told) return;
        const double bits = told->read()[0];
        session_.document.apply({SetKnob{id, knob, bits}}, tr("keep state %1").arg(bits));
    });
    layout_->addWidget(keep);
}

/// Which recording a player plays, which tuning a quantizer keeps to.
void Inspector::addSources(const Post& post, const PartInfo& part) {
    const Library& library = session_.document.library();
    const auto choose = [&](const QString& name, const auto& all, const std::string& now, auto&& edited) {
        auto* line = new QHBoxLayout;
        auto* label = new QLabel(name);
        label->setFont(textFont(13, true));
        label->setFixedWidth(92);
        auto* box = new QComboBox;
        box->setObjectName(QStringLiteral("source-") + name.toLower());
        box->setAccessibleName(name);
        box->addItem(tr("none"));
        for (const auto& [id, value] : all) box->addItem(q(id));
        box->setCurrentText(now.empty() ? tr("none") : q(now));
        label->setBuddy(box);
        connect(box, &QComboBox::activated, this, [this, box, edited](int index) {
            session_.document.apply({edited(index == 0 ? std::string() : box->currentText().toStdString())},
                                    tr("choose %1").arg(box->currentText()));
        });
        line->addWidget(label);
        line->addWidget(box, 1);
        layout_->addLayout(line);
    };
    if (part.has("sample-player") || part.has("external-in"))
        choose(tr("Recording"), library.samples(), post.sample, [id = post.id, tuning = post.tuning](std::string name) {
            return ChooseSources{id, std::move(name), tuning};
        });
    if (part.has("quantizer"))
        choose(tr("Tuning"), library.tunings(), post.tuning, [id = post.id, sample = post.sample](std::string name) {
            return ChooseSources{id, sample, std::move(name)};
        });
}

void Inspector::addJacks(const Post& post, const PartInfo& part) {
    const auto list = [&](bool outputs, const QString& heading) {
        if (std::ranges::none_of(part.jacks, [&](const JackInfo& jack) { return jack.output == outputs; })) return;
        addHeading(heading);
        layout_->setSpacing(0);
        for (const JackInfo& jack : part.jacks) {
            if (jack.output != outputs) continue;
            const JackRef ref{post.id, jack.id};
            const JackState state = jackState(ref, session_.document.patch(), session_.document.library(),
                                              session_.sound.engine().normals());
            auto* row =
                new JackRow(ref, jack.kind, q(jackWord(session_.document.patch(), session_.document.library(), ref)),
                            state.text, state.used);
            row->setObjectName(QStringLiteral("jack-") + q(jack.id));
            row->setChecked(pending_ == ref);
            connect(row, &QAbstractButton::clicked, this, [this, ref] { pickJack(ref); });
            layout_->addWidget(row);
        }
    };
    list(false, tr("Inputs"));
    list(true, tr("Outputs"));
}

/// The chosen row: a note, and which cable of the case's bag is to be used.
void Inspector::addCable(const Cable& cable) {
    const Patch& patch = session_.document.patch();
    addHeading(tr("Cable %1").arg(patch.row(cable.id)));
    addText(tr("%1 to %2")
                .arg(q(tieName(cable.from, patch, session_.document.library())),
                     q(tieName(cable.to, patch, session_.document.library()))));
    reading_ = new QLabel;
    reading_->setObjectName(QStringLiteral("cable-reading"));
    reading_->setWordWrap(true);
    reading_->setFont(figureFont(13));
    reading_->setAccessibleName(tr("Readings of this cable"));
    layout_->addWidget(reading_);
    auto* note = new QLineEdit(q(cable.note));
    note->setCursorPosition(0);
    note->setObjectName(QStringLiteral("cable-note"));
    note->setAccessibleName(tr("Note on this cable"));
    note->setPlaceholderText(tr("Note for the sheet"));
    auto* bag = new QComboBox;
    bag->setObjectName(QStringLiteral("cable-kind"));
    bag->setAccessibleName(tr("Which cable to use"));
    bag->addItem(tr("Length not chosen"));
    std::vector<CableStock> stocks;
    if (const Case* housing = session_.document.housing()) stocks = housing->cables;
    for (const CableStock& stock : stocks) {
        const auto used = std::ranges::count_if(patch.cables, [&](const Cable& other) {
            return other.lengthCm == stock.lengthCm && other.colour == stock.colour;
        });
        bag->addItem(
            tr("%1 cm %2 (%3 of %4 used)").arg(stock.lengthCm).arg(q(stock.colour)).arg(used).arg(stock.count));
        if (stock.lengthCm == cable.lengthCm && stock.colour == cable.colour) bag->setCurrentIndex(bag->count() - 1);
    }
    if (bag->currentIndex() == 0 && cable.lengthCm > 0) { // one that the case does not own
        stocks.push_back({cable.lengthCm, cable.colour, 0});
        bag->addItem(tr("%1 cm %2 (not in this case)").arg(cable.lengthCm).arg(q(cable.colour)));
        bag->setCurrentIndex(bag->count() - 1);
    }
    note_ = note;
    const auto write = [this, id = cable.id, note, bag, stocks] {
        note->setModified(false);
        const Cable* now = session_.document.patch().cable(id);
        const CableStock stock =
            bag->currentIndex() > 0 ? stocks[static_cast<std::size_t>(bag->currentIndex() - 1)] : CableStock{0, "", 0};
        const DescribeCable edit{id, note->text().toStdString(), stock.lengthCm, stock.colour};
        if (!now || (now->note == edit.note && now->lengthCm == edit.lengthCm && now->colour == edit.colour)) return;
        session_.document.apply({edit}, tr("write down cable %1").arg(session_.document.patch().row(id)));
    };
    connect(note, &QLineEdit::editingFinished, this, write);
    connect(bag, &QComboBox::activated, this, write);
    layout_->addWidget(note);
    layout_->addWidget(bag);
}

void Inspector::addFindings() {
    const Patch& patch = session_.document.patch();
    QStringList elsewhere;
    for (const Finding& finding : session_.checker.findings()) {
        if (finding.severity == Severity::Note) continue;
        const Cable* cable = patch.cable(finding.cable);
        const bool here =
            post_.empty() ? true
            : cable       ? cable->id == chart_.selectedCable() || cable->from.post == post_ || cable->to.post == post_
                          : finding.post == post_;
        const QString where = cable                      ? tr("Cable %1").arg(patch.row(cable->id))
                              : patch.post(finding.post) ? q(patch.post(finding.post)->name)
                                                         : QString();
        if (!here) {
            elsewhere << (cable ? QStringLiteral("<a href=\"%1\" style=\"color:%2\">%3</a>")
                                      .arg(cable->id)
                                      .arg(look().accent.name(), where.toHtmlEscaped())
                                : QStringLiteral("<a href=\"%1\" style=\"color:%2\">%3</a>")
                                      .arg(q(finding.post), look().accent.name(), where.toHtmlEscaped()));
            continue;
        }
        auto* card = new FindingCard(where, finding);
        connect(card, &FindingCard::fixChosen, this,
                [this, finding](std::size_t fix) { Q_EMIT fixRequested(finding, fix); });
        connect(card, &FindingCard::dismissed, this, [this, finding] { Q_EMIT dismissRequested(finding); });
        connect(card, &FindingCard::fixLookedAt, this, [this, finding](int fix) {
            chart_.setPreview(fix < 0 ? std::vector<Edit>{} : finding.fixes[static_cast<std::size_t>(fix)].edits);
        });
        layout_->addSpacing(4);
        layout_->addWidget(card);
    }
    if (elsewhere.isEmpty()) return;
    const auto more = elsewhere.size() - kMostElsewhere;
    if (more > 0)
        elsewhere = elsewhere.mid(0, kMostElsewhere)
                    << QStringLiteral("<a href=\"%1\" style=\"color:%2\">%3</a>")
                           .arg(QLatin1String(kAllFindings), look().accent.name(), tr("and %1 more").arg(more));
    auto* label = new QLabel(tr("Also found: %1").arg(elsewhere.join(QStringLiteral(", "))));
    label->setWordWrap(true);
    label->setTextInteractionFlags(Qt::LinksAccessibleByMouse | Qt::LinksAccessibleByKeyboard);
    connect(label, &QLabel::linkActivated, this, [this](const QString& target) {
        if (target == QLatin1String(kAllFindings)) {
            Q_EMIT allFindingsWanted();
            return;
        }
        bool isCable = false;
        const int cable = target.toInt(&isCable);
        isCable ? chart_.selectCable(cable) : chart_.selectPost(target.toStdString());
    });
    layout_->addSpacing(4);
    layout_->addWidget(label);
}

void Inspector::pickJack(const JackRef& jack) {
    if (pending_ == jack) {
        forgetPending();
        return;
    }
    if (pending_.post.empty()) {
        pending_ = jack;
        refresh();
        return;
    }
    const JackRef other = pending_;
    pending_ = {};
    const Patch& patch = session_.document.patch();
    const auto tie = makeTie(other, jack, patch, session_.document.library());
    if (!tie) {
        Q_EMIT message(q(tie.error().reason), true);
        refresh();
        return;
    }
    const QString name = tr("tie %1 to %2")
                             .arg(q(tieName(tie->cable.from, patch, session_.document.library())),
                                  q(tieName(tie->cable.to, patch, session_.document.library())));
    const QString broken = plugWarning(patch, session_.document.library(), tie->cable.from, tie->cable.to);
    if (session_.document.apply(withNewcomersPlaced(patch, {*tie}), name) && !broken.isEmpty())
        Q_EMIT message(broken, false);
}

void Inspector::markKnob(Knob& knob, const Post& post, const std::string& id) {
    const auto note = post.knobNotes.find(id);
    int number = -1;
    for (const Controller& one : session_.document.patch().controllers)
        if (one.post == post.id && one.knob == id) number = one.number;
    knob.setTempo(tempoOf(session_.document.patch(), session_.document.library()));
    knob.showMarks(post.locked.contains(id), note == post.knobNotes.end() ? QString() : q(note->second), number);
}

/// Asks for a note, or changes the lock and leaves the note.
void Inspector::describeKnob(const std::string& post, const std::string& knob, bool note, bool locked) {
    const Post& now = *session_.document.patch().post(post);
    const auto old = now.knobNotes.find(knob);
    DescribeKnob edit{post, knob, old == now.knobNotes.end() ? std::string() : old->second, now.locked.contains(knob)};
    if (note) {
        bool ok = false;
        const QString text = QInputDialog::getText(this, tr("Note on a knob"), tr("What is to be said of it?"),
                                                   QLineEdit::Normal, q(edit.note), &ok);
        if (!ok) return;
        edit.note = text.trimmed().toStdString();
    } else {
        edit.locked = locked;
    }
    session_.document.apply({edit}, note ? tr("note on a knob") : locked ? tr("lock a knob") : tr("unlock a knob"));
}

void Inspector::learn(const std::string& post, const std::string& knob) {
    learning_ = {post, knob};
    Q_EMIT message(tr("Move a controller of the MIDI device now; it will turn this knob."), false);
}

void Inspector::takeController(int number) {
    if (learning_.first.empty()) return;
    const auto [post, knob] = std::exchange(learning_, {});
    if (session_.document.apply({LearnController{{number, post, knob}}}, tr("learn controller %1").arg(number)))
        Q_EMIT message(tr("Controller %1 turns it now.").arg(number), false);
}

/// Shows what moves without an edit: the readings of the chosen cable, and how far modulation takes each knob.
void Inspector::follow() {
    if (!isVisible()) return;
    const Patch& patch = session_.document.patch();
    const Library& library = session_.document.library();
    const double rate = session_.sound.engine().rate();
    const auto spansOf = [&](const JackRef& output) {
        const auto tap = session_.sound.engine().tap(output);
        return tap ? tap->spans(static_cast<std::size_t>(kReachSeconds * rate / Tap::kPerSpan)) : std::vector<MinMax>{};
    };
    if (reading_)
        if (const Cable* cable = patch.cable(chart_.selectedCable())) {
            const QString text = chart_.wholeReadingOf(cable->id);
            if (text != reading_->text()) reading_->setText(text);
        }
    const Post* post = patch.post(post_);
    if (!post) return;
    const PartInfo& part = *library.part(*post);
    const VoltsAt volts = [&](const JackRef& input) -> std::optional<Span> {
        const JackRef from = feederOf(patch, library, input);
        const std::vector<MinMax> spans = from.post.empty() ? std::vector<MinMax>{} : spansOf(from);
        if (spans.empty()) return std::nullopt;
        Span all{spans.front().min, spans.front().max};
        for (const MinMax& span : spans)
            all = {std::min<double>(all.first, span.min), std::max<double>(all.second, span.max)};
        return all;
    };
    for (const auto& [id, knob] : knobs_) {
        const KnobInfo& info = *part.knob(id);
        // What a plug has given another use is not where its reach is counted.
        const bool usual = *knobInForce(patch, *post, part, info).name == info.name;
        knob->showReach(usual ? reachOf(*post, part, info, volts) : std::nullopt);
    }
}

} // namespace lariat
