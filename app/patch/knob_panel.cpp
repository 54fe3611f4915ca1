#include "patch/knob_panel.h"

#include "widgets/calibrate_dialog.h"
#include "widgets/find_dialog.h"

#include "engine/graph.h"
#include "library/meaning.h"
#include "library/midi_table.h"
#include "library/reach.h"
#include "look/fonts.h"
#include "look/text.h"
#include "widgets/pad_surface.h"

#include <QGridLayout>
#include <QInputDialog>
#include <QLabel>
#include <QMenu>
#include <QPushButton>
#include <QTimer>

namespace lariat {
namespace {

constexpr int kColumns = 3;
constexpr int kPressMilliseconds = 50;
constexpr double kReachSeconds = 2.0; ///< of the past that the reach of a modulation is taken from

/// The controller that turns a knob; -1 if none does.
int controllerOf(const Patch& patch, const std::string& post, const std::string& knob) {
    for (const Controller& one : patch.controllers)
        if (one.post == post && one.knob == knob) return one.number;
    return -1;
}

} // namespace

KnobPanel::KnobPanel(const Session& session, const Post& post, QWidget* parent)
    : QWidget(parent), session_(session), post_(post.id) {
    layout_ = new QVBoxLayout(this);
    layout_->setContentsMargins(0, 0, 0, 0);
    layout_->setSpacing(4);
    addEnvelope(post, *session.document.library().part(post));
    if (session.document.library().part(post)->has("pad")) {
        auto* pad = new PadSurface(session.sound);
        pad->setObjectName(QStringLiteral("pad"));
        layout_->addWidget(pad);
    }
    addGesture(*session.document.library().part(post));
    addKnobs(post, *session.document.library().part(post));
}

Knob* KnobPanel::knob(const std::string& id) const {
    const auto it = knobs_.find(id);
    return it == knobs_.end() ? nullptr : it->second;
}

bool KnobPanel::busy() const {
    return !pressed_.empty() || (envelope_ && envelope_->turning()) ||
           std::ranges::any_of(knobs_, [](const auto& entry) { return entry.second->turning(); });
}

/// The picture of a contour, whose corners set its knobs.
void KnobPanel::addEnvelope(const Post& post, const PartInfo& part) {
    if (!envelopeShape(post, part, std::nullopt)) return;
    envelope_ = new EnvelopePicture;
    envelope_->setObjectName(QStringLiteral("envelope"));
    layout_->addWidget(envelope_);
    connect(
        envelope_, &EnvelopePicture::drawn, this, [this](EnvelopePicture::Corner corner, double seconds, double level) {
            const Post* now = session_.document.patch().post(post_);
            if (!now) return;
            const EnvelopeKnobs knobs = envelopeKnobs(*session_.document.library().part(*now));
            std::vector<Edit> edits;
            const auto set = [&](const KnobInfo* knob, double value) {
                if (knob && !now->locked.contains(knob->id))
                    edits.emplace_back(SetKnob{post_, knob->id, std::clamp(value, knob->scale.min, knob->scale.max)});
            };
            set(corner == EnvelopePicture::Corner::Attack  ? knobs.attack
                : corner == EnvelopePicture::Corner::Decay ? knobs.decay
                                                           : knobs.release,
                seconds);
            if (corner == EnvelopePicture::Corner::Decay) set(knobs.sustain, 100.0 * level);
            if (!edits.empty())
                session_.document.turn(edits, tr("draw the contour of %1").arg(q(now->name)),
                                       QStringLiteral("envelope/") + q(post_));
        });
    connect(envelope_, &EnvelopePicture::released, this, [this] {
        session_.document.endTurning();
        Q_EMIT released();
    });
    session_.sound.engine().told(post_); // from now on it tells
    showEnvelope(post, part);
}

/// Over the gate that it really gets, if one does.
void KnobPanel::showEnvelope(const Post& post, const PartInfo& part) {
    std::optional<double> gate;
    for (const JackInfo& jack : part.jacks)
        if (!jack.output && part.blocks[static_cast<std::size_t>(jack.at.block)]
                                    .type->inputs[static_cast<std::size_t>(jack.at.index)]
                                    .id == "gate") {
            const JackRef from = feederOf(session_.document.patch(), session_.document.library(), {post.id, jack.id});
            if (const LiveTrace* trace = from.post.empty() ? nullptr : session_.readings.trace(from))
                if (trace->reading().highTime) gate = trace->reading().highTime->value;
        }
    if (const auto shape = envelopeShape(post, part, gate)) envelope_->showShape(*shape);
}

void KnobPanel::refresh() {
    const Post* post = session_.document.patch().post(post_);
    if (!post) return;
    const PartInfo& part = *session_.document.library().part(*post);
    if (envelope_) showEnvelope(*post, part);
    if (midi_) midi_->refresh();
    if (states_) states_->refresh();
    // The page may be on its way out: its module has other knobs by now.
    for (const auto& [id, knob] : knobs_) {
        const KnobInfo* info = part.knob(id);
        if (!info) continue;
        knob->showValue(knobInForce(session_.document.patch(), *post, part, *info).value);
        markKnob(*knob, *post, id);
    }
    for (const auto& [id, box] : switches_)
        if (const KnobInfo* info = part.knob(id)) showSwitch(*box, *post, *info);
}

/// How far modulation takes each knob.
void KnobPanel::follow() {
    const Patch& patch = session_.document.patch();
    const Library& library = session_.document.library();
    const double rate = session_.sound.engine().rate();
    const auto spansOf = [&](const JackRef& output) {
        const auto tap = session_.sound.engine().tap(output);
        return tap ? tap->spans(static_cast<std::size_t>(kReachSeconds * rate / Tap::kPerSpan)) : std::vector<MinMax>{};
    };
    const Post* post = patch.post(post_);
    if (!post) return;
    const PartInfo& part = *library.part(*post);
    if (envelope_ && !envelope_->turning()) {
        showEnvelope(*post, part);
        if (const auto told = session_.sound.engine().told(post_)) {
            const Told now = told->read();
            envelope_->showNow(now[0], 0.001 * now[1]);
        }
    }
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
        if (!part.knob(id)) continue;
        const KnobInfo& info = *part.knob(id);
        // What a plug has given another use is not where its reach is counted.
        const bool usual = knobInForce(patch, *post, part, info).at == info.at;
        knob->showReach(usual ? reachOf(*post, part, info, volts) : std::nullopt);
        const auto octave = usual ? depthForAnOctave(part, info, *post, volts) : std::nullopt;
        knob->offer(octave ? std::optional(std::pair(tr("One octave for what arrives"), *octave)) : std::nullopt);
    }
}

void KnobPanel::addKnobs(const Post& post, const PartInfo& part) {
    auto* grid = new QGridLayout;
    grid->setContentsMargins(0, 8, 0, 0);
    grid->setSpacing(0);
    int count = 0;
    for (const KnobInfo& info : part.knobs) {
        if (info.scale.taper == Taper::Switch || inMidiTable(part, info)) continue;
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
            Q_EMIT released();
        });
        markKnob(*knob, post, info.id);
        const std::string id = info.id;
        connect(knob, &Knob::lockWanted, this, [this, p = post.id, id](bool on) { describeKnob(p, id, false, on); });
        connect(knob, &Knob::noteWanted, this, [this, p = post.id, id] { describeKnob(p, id, true, false); });
        connect(knob, &Knob::findWanted, this, [this, p = post.id, id] { findSetting(session_, p, id, window()); });
        connect(knob, &Knob::calibrateWanted, this, [this, p = post.id, id] {
            const Post* there = session_.document.patch().post(p);
            if (there) calibrateKnob(session_, there->module, there->part, id, window());
        });
        connect(knob, &Knob::unknownWanted, this, [this, id](bool unknown) { setUnknown(id, unknown); });
        connect(knob, &Knob::betweenWanted, this, [this, id] { askBetween(id); });
        connect(knob, &Knob::learnWanted, this, [this, id] { learn(id); });
        connect(knob, &Knob::forgetWanted, this, [this, p = post.id, id] {
            session_.document.apply({ForgetController{p, id}}, tr("free a knob of its controller"));
        });
        connect(knob, &Knob::refused, this, [this](const QString& reason) { Q_EMIT message(reason, true); });
        grid->addWidget(knob, count / kColumns, count % kColumns, Qt::AlignHCenter);
        knobs_[info.id] = knob;
        ++count;
    }
    if (count > 0)
        layout_->addLayout(grid);
    else
        delete grid;
    addButtons(part);
    if (part.has("quantizer")) {
        scales_ = new ScaleTools(session_, post.id);
        layout_->addWidget(scales_);
        connect(scales_, &ScaleTools::message, this, &KnobPanel::message);
    }
    for (const KnobInfo& info : part.knobs)
        if (info.scale.taper == Taper::Switch && !info.momentary && !inMidiTable(part, info)) addSwitch(post, info);
    addSources(post, part);
    if (midiTableOf(post, part)) {
        midi_ = new MidiTableView(session_, post.id);
        layout_->addWidget(midi_);
    }
    if (part.knobFor("shift-register", "state")) {
        states_ = new StateTools(session_, post.id);
        connect(states_, &StateTools::message, this, &KnobPanel::message);
        if (const KnobInfo* button = part.knobFor("shift-register", "press-restore"))
            connect(states_, &StateTools::restoreWanted, this, [this, id = button->id] {
                press(id);
                release(id);
            });
        layout_->addWidget(states_);
    }
}

/// Those that are down when the panel goes, as with another choice, come up.
KnobPanel::~KnobPanel() {
    while (!pressed_.empty()) letGo(*pressed_.begin());
}

void KnobPanel::press(const std::string& button) {
    pressed_.insert(button);
    session_.sound.engine().moveKnob(post_, button, 1.0, 0.0);
}

/// A press may be shorter than a block of the device: what is down stays so for a while.
void KnobPanel::release(const std::string& button) {
    QTimer::singleShot(kPressMilliseconds, this, [this, button] {
        letGo(button);
        Q_EMIT released();
    });
}

void KnobPanel::letGo(const std::string& button) {
    session_.sound.engine().moveKnob(post_, button, 0.0, 0.0);
    pressed_.erase(std::string(button));
}

/// What is played by hand can be taken into the patch, and is played again then.
void KnobPanel::addGesture(const PartInfo& part) {
    if (std::ranges::none_of(part.blocks, [](const PartBlock& block) { return block.type->isPlayed; })) return;
    auto* record = new QPushButton(tr("Record what is played"));
    record->setObjectName(QStringLiteral("record-gesture"));
    record->setCheckable(true);
    record->setToolTip(tr("What you play from now on, by keys, pad or MIDI, is played again until you press this once "
                          "more: a whole number of beats long where a clock runs."));
    const auto show = [this, record] { record->setChecked(session_.gestures.post() == post_); };
    show();
    connect(&session_.gestures, &Gestures::changed, record, show);
    connect(record, &QPushButton::clicked, this, [this](bool on) {
        if (on)
            session_.gestures.start(post_);
        else
            session_.gestures.stop();
    });
    layout_->addWidget(record);
}

/// Buttons are pressed in what sounds, not in the patch: nothing is changed by them, and nothing to be undone.
void KnobPanel::addButtons(const PartInfo& part) {
    auto* grid = new QGridLayout;
    grid->setContentsMargins(0, 4, 0, 4);
    int count = 0;
    for (const KnobInfo& info : part.knobs) {
        if (!info.momentary) continue;
        auto* made = new QPushButton(q(info.name));
        made->setObjectName(QStringLiteral("press-") + q(info.id));
        made->setToolTip(tr("Down as long as it is pressed"));
        connect(made, &QPushButton::pressed, this, [this, id = info.id] { press(id); });
        connect(made, &QPushButton::released, this, [this, id = info.id] { release(id); });
        made->setContextMenuPolicy(Qt::CustomContextMenu);
        connect(made, &QWidget::customContextMenuRequested, this,
                [this, made, id = info.id](const QPoint& at) { showSwitchMenu(id, made->mapToGlobal(at)); });
        grid->addWidget(made, count / kColumns, count % kColumns);
        ++count;
    }
    if (count > 0)
        layout_->addLayout(grid);
    else
        delete grid;
    // What is compiled anew knows the patch only, where all buttons are up.
    connect(&session_.document, &Document::changed, this, [this] {
        for (const std::string& id : pressed_) session_.sound.engine().moveKnob(post_, id, 1.0, 0.0);
    });
}

/// Where it stands; of an unknown one, where it is tried, with a question mark before it.
void KnobPanel::showSwitch(QComboBox& box, const Post& post, const KnobInfo& info) {
    const bool unknown = post.unknown.contains(info.id);
    for (int i = 0; i < box.count(); ++i) {
        const QString word = q(info.scale.words[static_cast<std::size_t>(i)]);
        box.setItemText(i, unknown ? QStringLiteral("? ") + word : word);
    }
    box.setCurrentIndex(static_cast<int>(knobValue(post, info)));
}

void KnobPanel::addSwitch(const Post& post, const KnobInfo& info) {
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
    showSwitch(*box, post, info);
    label->setBuddy(box);
    box->setContextMenuPolicy(Qt::CustomContextMenu);
    connect(box, &QWidget::customContextMenuRequested, this,
            [this, box, id = info.id](const QPoint& at) { showSwitchMenu(id, box->mapToGlobal(at)); });
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

/// Which recording a player plays, which tuning a quantizer keeps to.
void KnobPanel::addSources(const Post& post, const PartInfo& part) {
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

void KnobPanel::markKnob(Knob& knob, const Post& post, const std::string& id) {
    const auto note = post.knobNotes.find(id);
    const int number = controllerOf(session_.document.patch(), post.id, id);
    knob.setTempo(tempoOf(session_.document.patch(), session_.document.library()));
    const KnobInfo* info = session_.document.library().part(post)->knob(id);
    const auto unknown = post.unknown.find(id);
    knob.showUnknown(!info || unknown == post.unknown.end()
                         ? std::nullopt
                         : std::optional(std::pair(unknown->second.low.value_or(info->scale.toValue(0.0)),
                                                   unknown->second.high.value_or(info->scale.toValue(1.0)))));
    knob.showMarks(post.locked.contains(id), note == post.knobNotes.end() ? QString() : q(note->second), number);
}

/// What a knob has in its own menu, for a switch.
void KnobPanel::showSwitchMenu(const std::string& id, const QPoint& where) {
    const Post* post = session_.document.patch().post(post_);
    if (!post) return;
    auto* menu = new QMenu(window()); // it outlives this page, should that be made anew meanwhile
    menu->setObjectName(QStringLiteral("switch-menu"));
    menu->setAttribute(Qt::WA_DeleteOnClose);
    const bool locked = post->locked.contains(id);
    menu->addAction(locked ? tr("Unlock") : tr("Lock"), this,
                    [this, id, locked] { describeKnob(post_, id, false, !locked); });
    menu->addAction(tr("Write a note…"), this, [this, id] { describeKnob(post_, id, true, false); });
    const bool unknown = post->unknown.contains(id);
    menu->addAction(unknown ? tr("It stands where it is tried") : tr("Nobody knows where it stands"), this,
                    [this, id, unknown] { setUnknown(id, !unknown); });
    const int number = controllerOf(session_.document.patch(), post_, id);
    if (number < 0)
        menu->addAction(tr("Learn a MIDI controller"), this, [this, id] { learn(id); });
    else
        menu->addAction(tr("Forget controller %1").arg(number), this, [this, id] {
            session_.document.apply({ForgetController{post_, id}}, tr("free a knob of its controller"));
        });
    menu->popup(where);
}

/// Marks it, or says that it does stand where it is tried.
void KnobPanel::setUnknown(const std::string& knob, bool unknown) {
    session_.document.apply({SetUnknown{post_, knob, unknown ? std::optional(Unknown{}) : std::nullopt}},
                            unknown ? tr("mark a knob as unknown") : tr("a knob is known"));
}

/// Two places, or values, between which it stands. The patch may be another one when the question is answered.
void KnobPanel::askBetween(const std::string& id) {
    const Post* post = session_.document.patch().post(post_);
    const KnobInfo* knob = post ? session_.document.library().part(*post)->knob(id) : nullptr;
    if (!knob) return;
    Document& document = session_.document;
    const std::string name = post_;
    const Scale scale = knob->scale;
    const auto there = post->unknown.find(id);
    const auto at = [&](std::optional<double> value, double fraction) {
        return q(clockHand(value ? scale.toFraction(*value) : fraction));
    };
    const bool known = there == post->unknown.end();
    bool ok = false;
    const QString text = QInputDialog::getText(
        window(), tr("A knob that nobody wrote down"),
        tr("Between which two places, or values, does %1 stand?").arg(q(knob->name)), QLineEdit::Normal,
        tr("%1 and %2")
            .arg(at(known ? std::nullopt : there->second.low, 0.3), at(known ? std::nullopt : there->second.high, 0.7)),
        &ok);
    if (!ok) return;
    const QStringList ends = text.split(tr("%1 and %2").section(QLatin1Char(' '), 1, 1));
    const auto low = ends.size() == 2 ? scale.parse(ends[0].trimmed().toStdString()) : std::nullopt;
    const auto high = ends.size() == 2 ? scale.parse(ends[1].trimmed().toStdString()) : std::nullopt;
    if (!low || !high || *low > *high || *low < scale.min || *high > scale.max) {
        Q_EMIT message(tr("“%1” says nothing: write two of its values, the lower first. It takes %2.")
                           .arg(text, q(scale.expectation())),
                       true);
        return;
    }
    document.apply({SetUnknown{name, id, Unknown{*low, *high}}}, tr("narrow a knob down"));
}

void KnobPanel::learn(const std::string& knob) {
    session_.controllers.learn(post_, knob);
    Q_EMIT message(tr("Move a controller of the MIDI device now; it will turn this knob. Esc leaves it as it is."),
                   false);
}

/// Asks for a note, or changes the lock and leaves the note. The patch may be another one when the question is
/// answered.
void KnobPanel::describeKnob(const std::string& post, const std::string& knob, bool note, bool locked) {
    const Post* found = session_.document.patch().post(post);
    if (!found) return;
    const Post& now = *found;
    const auto old = now.knobNotes.find(knob);
    DescribeKnob edit{post, knob, old == now.knobNotes.end() ? std::string() : old->second, now.locked.contains(knob)};
    if (note) {
        bool ok = false;
        Document& document = session_.document; // this page may be gone when the question is answered
        const QString text = QInputDialog::getText(window(), tr("Note on a knob"), tr("What is to be said of it?"),
                                                   QLineEdit::Normal, q(edit.note), &ok);
        if (!ok) return;
        edit.note = text.trimmed().toStdString();
        document.apply({edit}, tr("note on a knob"));
    } else {
        edit.locked = locked;
        session_.document.apply({edit}, locked ? tr("lock a knob") : tr("unlock a knob"));
    }
}

} // namespace lariat
