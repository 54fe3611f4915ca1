#include "bench/asked_panel.h"

#include "ask/on_sheet.h"
#include "library/unknowns.h"
#include "look/fonts.h"
#include "look/text.h"
#include "measure/vowels.h"
#include "model/scene.h"
#include "print/plot_picture.h"
#include "shell/theme.h"
#include "widgets/plain.h"

#include <QKeyEvent>
#include <QLabel>
#include <QPainter>
#include <QScrollArea>
#include <QVBoxLayout>

#include <algorithm>
#include <array>

namespace lariat {
namespace {

constexpr int kWidth = 268;
constexpr int kQuestionHeight = 34;
constexpr std::size_t kMostAgainst = 24;
constexpr int kAtStep = -3;                                                           ///< of the trigger
constexpr std::array kWindows = {0.0, 0.001, 0.005, 0.02, 0.1, 0.5, 2.0, 10.0, 60.0}; ///< seconds; 0: as it fits

QIcon dot(const QColor& colour) {
    QPixmap pixmap(24, 24);
    pixmap.fill(Qt::transparent);
    QPainter painter(&pixmap);
    painter.setRenderHint(QPainter::Antialiasing);
    painter.setPen(Qt::NoPen);
    painter.setBrush(colour);
    painter.drawEllipse(QRectF(4, 4, 16, 16));
    return pixmap;
}

QString secondsText(double seconds) {
    return seconds < 1.0 ? QStringLiteral("%1 ms").arg(1e3 * seconds, 0, 'g', 4)
                         : QStringLiteral("%1 s").arg(seconds, 0, 'g', 4);
}

} // namespace

AskedPanel::AskedPanel(const Session& session, QWidget* parent) : QWidget(parent), session_(session) {
    setFixedWidth(kWidth);
    auto* whole = new QVBoxLayout(this);
    whole->setContentsMargins(0, 8, 0, 8);
    whole->setSpacing(4);
    makeQuestions(*whole);
    auto* scroll = new QScrollArea;
    scroll->setFrameShape(QFrame::NoFrame);
    scroll->setWidgetResizable(true);
    scroll->setHorizontalScrollBarPolicy(Qt::ScrollBarAlwaysOff);
    auto* inside = new QWidget;
    auto* column = new QVBoxLayout(inside);
    column->setContentsMargins(16, 4, 12, 4);
    column->setSpacing(5);
    makeAskedOf(*column);
    makeOptions(*column);
    column->addStretch(1);
    scroll->setWidget(inside);
    whole->addWidget(scroll, 1);
    auto* foot = new QHBoxLayout;
    foot->setContentsMargins(16, 0, 12, 0);
    pin_ = plainButton(tr("Pin in Time"), "bench-pin");
    pin_->setToolTip(tr("Shows the first jack under the steps in Time, or no longer"));
    sheet_ = plainButton(tr("Onto the sheet"), "bench-sheet");
    sheet_->setCheckable(true);
    sheet_->setToolTip(tr("The sheet asks this too whenever it is printed, and shows the answer with its picture"));
    foot->addWidget(pin_);
    foot->addWidget(sheet_);
    whole->addLayout(foot);
    connect(pin_, &QPushButton::clicked, this, &AskedPanel::pinWanted);
    connect(sheet_, &QPushButton::clicked, this, &AskedPanel::sheetWanted);
    refresh();
    showOptions();
}

template <class Widget> Widget* AskedPanel::named(Widget* widget, const char* name, const QString& accessible) {
    widget->setObjectName(QString::fromLatin1(name));
    widget->setAccessibleName(accessible);
    widget->setFont(textFont(13));
    return widget;
}

void AskedPanel::makeQuestions(QLayout& column) {
    questions_ = named(new QListWidget, "questions", tr("Questions"));
    questions_->setFrameShape(QFrame::NoFrame);
    questions_->setFont(textFont(14));
    questions_->setVerticalScrollBarPolicy(Qt::ScrollBarAlwaysOff);
    questions_->setHorizontalScrollBarPolicy(Qt::ScrollBarAlwaysOff);
    for (int n = 0; n < kQuestionCount; ++n) {
        auto* item = new QListWidgetItem(said(questionText(static_cast<Question>(n))));
        item->setSizeHint(QSize(0, kQuestionHeight));
        questions_->addItem(item);
    }
    questions_->setFixedHeight(kQuestionCount * kQuestionHeight + 4);
    questions_->setCurrentRow(0);
    column.addWidget(questions_);
    connect(questions_, &QListWidget::currentRowChanged, this, [this] {
        showOptions();
        if (question() == Question::Better) fillAgainst();
        Q_EMIT changed();
    });
}

void AskedPanel::makeAskedOf(QLayout& column) {
    column.addWidget(plainLabel(tr("Asked of"), look().softInk));
    askedOf_ = named(new QListWidget, "asked-of", tr("What is asked of; Del takes one out"));
    askedOf_->setFrameShape(QFrame::NoFrame);
    askedOf_->setIconSize(QSize(12, 12));
    askedOf_->setHorizontalScrollBarPolicy(Qt::ScrollBarAlwaysOff);
    askedOf_->setTextElideMode(Qt::ElideMiddle);
    askedOf_->setToolTip(tr("Del takes one out; a double click shows it in the Patch"));
    askedOf_->installEventFilter(this);
    column.addWidget(askedOf_);
    connect(askedOf_, &QListWidget::itemActivated, this, [this](QListWidgetItem* item) {
        const auto n = static_cast<std::size_t>(askedOf_->row(item));
        if (n < jacks_.size()) Q_EMIT jackFollowed(jacks_[n]);
    });
    auto* buttons = new QWidget;
    auto* across = new QHBoxLayout(buttons);
    across->setContentsMargins(0, 0, 0, 0);
    addJack_ = plainButton(tr("Add a jack…"), "bench-add-jack");
    addRecording_ = plainButton(tr("A recording…"), "bench-add-recording");
    across->addWidget(addJack_);
    across->addWidget(addRecording_);
    column.addWidget(buttons);
    recordIn_ = plainButton({}, "bench-record-in");
    recordIn_->setCheckable(true);
    recordIn_->setToolTip(tr("Records what is plugged into the sound device, and asks of it"));
    column.addWidget(recordIn_);
    showRecordingIn({});
    const auto showIn = [this] { recordIn_->setVisible(session_.sound.hasInput()); };
    connect(&session_.sound, &Sound::deviceChanged, this, showIn);
    showIn();
    reading_ = new RecordingOptions;
    column.addWidget(reading_);
    connect(recordIn_, &QPushButton::clicked, this, &AskedPanel::recordInWanted);
    connect(askedOf_, &QListWidget::currentRowChanged, this, &AskedPanel::showRecording);
    connect(reading_, &RecordingOptions::changed, this, [this] {
        const auto n = static_cast<std::size_t>(std::max(0, askedOf_->currentRow()));
        if (n < jacks_.size() || n - jacks_.size() >= recordings_.size()) return;
        Recorded wanted = recordings_[n - jacks_.size()];
        wanted.how = reading_->how();
        Q_EMIT readingWanted(wanted);
    });
    connect(addJack_, &QPushButton::clicked, this, &AskedPanel::addJackWanted);
    connect(addRecording_, &QPushButton::clicked, this, &AskedPanel::addRecordingWanted);
}

QWidget* AskedPanel::row(const QString& text, QWidget* field, Question question) {
    QWidget* whole = field;
    if (!text.isEmpty()) {
        whole = new QWidget;
        auto* across = new QHBoxLayout(whole);
        across->setContentsMargins(0, 0, 0, 0);
        auto* label = plainLabel(text, look().softInk);
        label->setWordWrap(false);
        across->addWidget(label);
        across->addWidget(field, 1);
    }
    rows_.emplace(question, whole);
    return whole;
}

void AskedPanel::makeOptions(QLayout& column) {
    const auto asks = [this](auto* widget, auto signal) {
        connect(widget, signal, this, [this] {
            if (!filling_) Q_EMIT changed();
        });
    };
    from_ = named(new QComboBox, "bench-from", tr("Where it is listened to"));
    from_->addItem(tr("a silent run of"), false);
    from_->addItem(tr("the running patch"), true);
    seconds_ = named(new QDoubleSpinBox, "bench-seconds", tr("Seconds of the silent run"));
    seconds_->setRange(0.0, 120.0);
    seconds_->setDecimals(1);
    seconds_->setSuffix(QStringLiteral(" s"));
    seconds_->setSpecialValueText(tr("as needed"));
    seconds_->setKeyboardTracking(false);
    auto* source = new QWidget;
    auto* across = new QHBoxLayout(source);
    across->setContentsMargins(0, 0, 0, 0);
    across->addWidget(from_, 1);
    across->addWidget(seconds_);
    column.addWidget(source);
    realCase_ = named(new QCheckBox(tr("as in the real case")), "bench-real-case", tr("As in the real case"));
    column.addWidget(realCase_);

    window_ = named(new QComboBox, "bench-window", tr("How long the picture is"));
    for (const double seconds : kWindows)
        window_->addItem(seconds > 0.0 ? secondsText(seconds) : tr("as it fits"), seconds);
    trigger_ = named(new QComboBox, "bench-trigger", tr("What the picture begins with"));
    lanes_ = named(new QCheckBox(tr("under one another")), "bench-lanes", tr("Traces under one another"));
    xy_ = named(new QCheckBox(tr("first across, second up")), "bench-xy", tr("First across, second up"));
    hold_ = named(new QCheckBox(tr("hold the picture")), "bench-hold", tr("Hold the picture"));
    single_ = named(new QCheckBox(tr("hold after one edge")), "bench-single", tr("Hold after one edge"));
    tuning_ = named(new QComboBox, "bench-tuning", tr("Tuning that notes are held against"));
    played_ = named(new QCheckBox(tr("play −2 … +4 V into it")), "bench-played",
                    tr("Play a range of volts into its pitch input"));
    vowel_ = named(new QComboBox, "bench-vowel", tr("Vowel that is aimed at"));
    vowel_->addItem(tr("the nearest one"), QString());
    for (const Vowel& vowel : kVowels)
        vowel_->addItem(QStringLiteral("%1 (%2)").arg(QLatin1String(vowel.name), QLatin1String(vowel.word)),
                        QString::fromLatin1(vowel.name));
    sidebands_ =
        named(new QCheckBox(tr("sidebands of 2 by 3")), "bench-sidebands", tr("Sidebands of the second by the third"));
    twice_ = named(new QCheckBox(tr("what the rate adds")), "bench-twice", tr("Compare with a run at twice the rate"));
    averaged_ = named(new QCheckBox(tr("the mean of all of it")), "bench-averaged",
                      tr("Spectrum of all of it, not of the loudest stretch"));
    linear_ = named(new QCheckBox(tr("hertz at even distances")), "bench-linear", tr("Hertz at even distances"));
    against_ = named(new QComboBox, "bench-against", tr("What it is held against"));
    turns_ = plainButton(tr("Hear in turns"), "bench-turns");
    turns_->setCheckable(true);
    turns_->setToolTip(tr("From one to the other at each bar, equally loud"));
    blind_ = plainButton(tr("Blind…"), "bench-blind");
    blind_->setToolTip(tr("Ten rounds, nobody knows which is which"));
    knobs_ = named(new QListWidget, "bench-knobs", tr("Knobs that may be turned to match the recording"));
    knobs_->setFixedHeight(112);
    knobs_->setHorizontalScrollBarPolicy(Qt::ScrollBarAlwaysOff);
    fit_ = plainButton(tr("Find these knobs"), "bench-fit");
    fit_->setToolTip(tr("Turns them in silent runs until the simulation is like the recording"));

    column.addWidget(row(tr("Shows"), window_, Question::Shape));
    column.addWidget(row(tr("From"), trigger_, Question::Shape));
    column.addWidget(row({}, lanes_, Question::Shape));
    column.addWidget(row({}, xy_, Question::Shape));
    column.addWidget(row({}, hold_, Question::Shape));
    column.addWidget(row({}, single_, Question::Shape));
    column.addWidget(row(tr("Tuning"), tuning_, Question::Note));
    column.addWidget(row({}, played_, Question::Note));
    column.addWidget(row(tr("Vowel"), vowel_, Question::Content));
    column.addWidget(row({}, sidebands_, Question::Content));
    column.addWidget(row({}, averaged_, Question::Content));
    column.addWidget(row({}, linear_, Question::Content));
    column.addWidget(row({}, twice_, Question::Content));
    column.addWidget(row(tr("Against"), against_, Question::Better));
    auto* hear = new QWidget;
    auto* hearing = new QHBoxLayout(hear);
    hearing->setContentsMargins(0, 0, 0, 0);
    hearing->addWidget(turns_);
    hearing->addWidget(blind_);
    column.addWidget(row({}, hear, Question::Better));
    column.addWidget(row({}, plainLabel(tr("Knobs that may differ"), look().softInk), Question::Real));
    column.addWidget(row({}, knobs_, Question::Real));
    column.addWidget(row({}, fit_, Question::Real));

    for (QComboBox* box : {from_, window_, trigger_, tuning_, vowel_, against_}) { // as wide as there is room
        box->setSizeAdjustPolicy(QComboBox::AdjustToMinimumContentsLengthWithIcon);
        box->setMinimumContentsLength(6);
    }
    for (QComboBox* box : {from_, window_, trigger_, tuning_, vowel_}) asks(box, &QComboBox::currentIndexChanged);
    for (QCheckBox* box : {realCase_, lanes_, xy_, played_, sidebands_, averaged_, linear_, twice_})
        asks(box, &QCheckBox::toggled);
    asks(seconds_, &QDoubleSpinBox::valueChanged);
    connect(against_, &QComboBox::currentIndexChanged, this, &AskedPanel::showHearing);
    connect(against_, &QComboBox::currentIndexChanged, this, &AskedPanel::showOptions);
    connect(against_, &QComboBox::activated, this, [this](int index) {
        if (index == against_->count() - 1)
            Q_EMIT againstFileWanted();
        else
            Q_EMIT changed();
    });
    connect(from_, &QComboBox::currentIndexChanged, this, &AskedPanel::showOptions);
    connect(turns_, &QPushButton::toggled, this, &AskedPanel::turnsWanted);
    connect(blind_, &QPushButton::clicked, this, &AskedPanel::blindWanted);
    connect(fit_, &QPushButton::clicked, this, &AskedPanel::fitWanted);
}

void AskedPanel::showOptions() {
    for (const auto& [of, widget] : rows_) widget->setVisible(of == question());
    const bool silentOnly =
        question() == Question::Loud || question() == Question::Better || question() == Question::Real;
    // Of recordings alone, no patch is asked.
    const bool ofPatches = silentOnly && !(question() == Question::Better && againstSecond());
    const bool runs = recordings_.empty() || !jacks_.empty() || ofPatches;
    from_->setEnabled(!silentOnly && runs);
    seconds_->setEnabled((silentOnly || !live()) && runs);
    realCase_->setEnabled(!live() && runs && question() != Question::Loud && question() != Question::Real);
    hold_->setEnabled(live());
    single_->setEnabled(live());
    played_->setEnabled(!live());
    twice_->setEnabled(!live());
}

Question AskedPanel::question() const {
    return static_cast<Question>(std::clamp(questions_->currentRow(), 0, kQuestionCount - 1));
}

void AskedPanel::choose(Question question) {
    questions_->setCurrentRow(static_cast<int>(question));
}

bool AskedPanel::live() const {
    const bool can = question() != Question::Loud && question() != Question::Better && question() != Question::Real;
    return can && from_->currentData().toBool();
}

bool AskedPanel::held() const {
    return hold_->isChecked();
}

void AskedPanel::setHeld(bool held) {
    hold_->setChecked(held);
}

bool AskedPanel::single() const {
    return single_->isChecked();
}

Asking AskedPanel::asking() const {
    Asking out;
    out.question = question();
    out.jacks = jacks_;
    for (const Recorded& recorded : recordings_) out.recordings.push_back(recorded.trace);
    out.wayOut = tr("way out").toStdString();
    out.seconds = seconds_->value();
    out.realCase = realCase_->isChecked();
    const Patch& patch = session_.document.patch();
    out.options.key = parseKey(patch.key);
    if (const double window = window_->currentData().toDouble(); window > 0.0) out.options.window = window;
    const int trigger = trigger_->currentData().toInt();
    if (trigger == -1) out.options.trigger.by = Trigger::By::Free;
    if (trigger == kAtStep) out.step = step_;
    if (trigger >= 0) {
        out.options.trigger.by = Trigger::By::Edge;
        out.options.trigger.track = trigger;
    }
    out.options.lanes = lanes_->isChecked();
    out.options.xy = xy_->isChecked();
    if (!tuning_->currentData().toString().isEmpty())
        out.options.tuning = session_.document.library().tuning(tuning_->currentData().toString().toStdString());
    out.options.vowel = vowel_->currentData().toString().toStdString();
    out.options.sidebands = sidebands_->isChecked();
    out.options.averaged = averaged_->isChecked();
    out.options.linear = linear_->isChecked();
    out.twice = twice_->isChecked();
    if (out.question == Question::Note && played_->isChecked() && !jacks_.empty())
        if (const Post* post = patch.post(jacks_.front().post))
            for (const JackInfo& jack : session_.document.library().part(*post)->jacks)
                if (!jack.output && jack.kind == SignalKind::Pitch && !out.played)
                    out.played = JackRef{post->id, jack.id};
    if (const Against* other = against(); other && out.question == Question::Better) {
        out.against = other->patch;
        out.againstName = other->name.toStdString();
        if (out.jacks.empty()) out.jacks.push_back({});
    }
    for (int n = 0; n < knobs_->count(); ++n)
        if (knobs_->item(n)->checkState() == Qt::Checked) {
            const QStringList at = knobs_->item(n)->data(Qt::UserRole).toStringList();
            SeekKnob knob{at[0].toStdString(), at[1].toStdString()};
            if (const Post* post = patch.post(knob.post))
                if (const auto unknown = post->unknown.find(knob.knob); unknown != post->unknown.end()) {
                    knob.low = unknown->second.low;
                    knob.high = unknown->second.high;
                }
            out.knobs.push_back(std::move(knob));
        }
    return out;
}

bool AskedPanel::addJack(const JackRef& jack, bool alone) {
    if (alone) jacks_.clear();
    if (std::ranges::find(jacks_, jack) != jacks_.end()) return false;
    if (jacks_.size() + recordings_.size() >= kMostTracks) return false;
    jacks_.push_back(jack);
    refresh();
    Q_EMIT changed();
    return true;
}

void AskedPanel::addRecording(Recorded recorded) {
    if (jacks_.size() + recordings_.size() >= kMostTracks) return;
    recorded.id = ++lastId_;
    recordings_.push_back(std::move(recorded));
    refresh();
    askedOf_->setCurrentRow(askedOf_->count() - 1);
    Q_EMIT changed();
}

void AskedPanel::changeRecording(Recorded recorded) {
    const auto at = std::ranges::find(recordings_, recorded.id, &Recorded::id);
    if (at == recordings_.end()) return;
    *at = std::move(recorded);
    refresh();
    Q_EMIT changed();
}

/// Patches can be heard in turns, and so can recordings.
void AskedPanel::showHearing() {
    const bool other = against_->currentIndex() >= 0 && against_->currentIndex() < static_cast<int>(others_.size());
    const bool heard =
        question() == Question::Better && (againstSecond() ? jacks_.empty() && recordings_.size() >= 2 : other);
    if (!heard && turns_->isChecked()) Q_EMIT turnsWanted(false); // nobody could switch it off any more
    turns_->setEnabled(heard);
    blind_->setEnabled(heard);
}

bool AskedPanel::againstSecond() const {
    const int at = against_->currentIndex();
    return at >= 0 && at < static_cast<int>(others_.size()) && others_[static_cast<std::size_t>(at)].second;
}

void AskedPanel::showRecordingIn(std::optional<double> seconds) {
    recordIn_->setChecked(seconds.has_value());
    recordIn_->setText(seconds ? tr("Stop · %1 s came in").arg(*seconds, 0, 'f', 1) : tr("Record what comes in"));
}

void AskedPanel::showRecording() {
    const auto n = static_cast<std::size_t>(std::max(0, askedOf_->currentRow()));
    const bool recording = n >= jacks_.size() && n - jacks_.size() < recordings_.size();
    reading_->setVisible(recording);
    if (recording) reading_->show(recordings_[n - jacks_.size()]);
}

void AskedPanel::takeOut(int row) {
    const auto n = static_cast<std::size_t>(row);
    if (row < 0 || n >= jacks_.size() + recordings_.size()) return;
    if (n < jacks_.size())
        jacks_.erase(jacks_.begin() + row);
    else
        recordings_.erase(recordings_.begin() + static_cast<std::ptrdiff_t>(n - jacks_.size()));
    refresh();
    Q_EMIT changed();
}

void AskedPanel::forget() {
    jacks_.clear();
    hold_->setChecked(false);
    refresh();
}

QStringList AskedPanel::leaveOutGone() {
    QStringList gone;
    const auto isGone = [&](const JackRef& jack) {
        if (jack.post.empty() || session_.document.library().jack(session_.document.patch(), jack)) return false;
        gone << q(jack.text());
        return true;
    };
    std::erase_if(jacks_, isGone);
    return gone;
}

bool AskedPanel::eventFilter(QObject* watched, QEvent* event) {
    if (watched == askedOf_ && (event->type() == QEvent::KeyPress || event->type() == QEvent::ShortcutOverride)) {
        const auto* key = static_cast<QKeyEvent*>(event);
        if ((key->key() == Qt::Key_Delete || key->key() == Qt::Key_Backspace) && key->modifiers() == Qt::NoModifier) {
            if (event->type() == QEvent::KeyPress) takeOut(askedOf_->currentRow());
            event->accept();
            return true;
        }
    }
    return QWidget::eventFilter(watched, event);
}

void AskedPanel::fillAskedOf() {
    const int current = askedOf_->currentRow();
    askedOf_->clear();
    const Patch& patch = session_.document.patch();
    const Library& library = session_.document.library();
    const auto add = [&](const QString& name, const QString& kind) {
        auto* item = new QListWidgetItem(dot(traceColour(look(), askedOf_->count())),
                                         kind.isEmpty() ? name : QStringLiteral("%1 · %2").arg(name, kind));
        item->setSizeHint(QSize(0, 24));
        item->setToolTip(name);
        askedOf_->addItem(item);
    };
    for (const JackRef& jack : jacks_) {
        const JackInfo* info = jack.post.empty() ? nullptr : library.jack(patch, jack);
        const QString name = jack.post.empty() ? (jack.jack == "right" ? tr("way out, right") : tr("way out"))
                                               : q(trackName(patch, library, jack));
        add(name, !info           ? QString()
                  : !info->output ? tr("what comes in")
                                  : QCoreApplication::translate("core", kindName(info->kind)));
    }
    for (const Recorded& recorded : recordings_) add(q(recorded.trace->name), tr("recording"));
    if (askedOf_->count() == 0) {
        auto* item = new QListWidgetItem(tr("the way out, as nothing is chosen"));
        item->setFlags(Qt::NoItemFlags);
        askedOf_->addItem(item);
    }
    askedOf_->setFixedHeight(24 * std::clamp(askedOf_->count(), 1, 8) + 6);
    askedOf_->setCurrentRow(std::min(current, askedOf_->count() - 1));
    showRecording();
    const bool room = jacks_.size() + recordings_.size() < kMostTracks;
    addJack_->setEnabled(room);
    addRecording_->setEnabled(room);
    pin_->setEnabled(!jacks_.empty() && !jacks_.front().post.empty());
    // Only what travels with the patch can stand on its sheet.
    const auto forPaper = forSheet(asking());
    sheet_->setEnabled(forPaper.has_value());
    sheet_->setChecked(forPaper && std::ranges::any_of(patch.asked, [&](const SheetQuestion& one) {
                           return one.question == forPaper->question && one.of == forPaper->of;
                       }));
}

void AskedPanel::fillTriggers() {
    const QVariant chosen = trigger_->currentData();
    trigger_->clear();
    trigger_->addItem(tr("by itself"), -2);
    trigger_->addItem(tr("free"), -1);
    for (int n = 0; n < static_cast<int>(jacks_.size() + recordings_.size()); ++n)
        trigger_->addItem(tr("edges of %1").arg(askedOf_->item(n) ? askedOf_->item(n)->toolTip() : QString()), n);
    // A step that was chosen in Time: only a silent run knows when it comes.
    if (const Chosen& picked = session_.selection.chosen(); !picked.steps.empty() && !picked.line.post.empty())
        step_ = StepAt{picked.line, *picked.steps.begin()};
    if (step_ && !session_.document.patch().post(step_->line.post)) step_.reset();
    if (step_ && !live())
        trigger_->addItem(
            tr("step %1 of %2").arg(step_->step + 1).arg(q(session_.document.patch().post(step_->line.post)->name)),
            kAtStep);
    const int at = trigger_->findData(chosen);
    trigger_->setCurrentIndex(std::max(0, at));
    const QVariant tuned = tuning_->currentData();
    tuning_->clear();
    tuning_->addItem(tr("none but twelve equal notes"), QString());
    for (const auto& [name, tuning] : session_.document.library().tunings()) tuning_->addItem(q(name), q(name));
    tuning_->setCurrentIndex(std::max(0, tuning_->findData(tuned)));
}

void AskedPanel::fillAgainst() {
    const QSignalBlocker quiet(against_);            // while it is filled, nothing is chosen
    const QVariant chosen = against_->currentData(); // two takes may have one name
    std::vector<Against> files;
    for (Against& other : others_)
        if (other.fromFile) files.push_back(std::move(other));
    others_.clear();
    if (jacks_.size() + recordings_.size() >= 2) {
        others_.push_back({tr("the second of them"), nullptr});
        others_.back().second = true;
    }
    const Patch& patch = session_.document.patch();
    for (const auto& [name, setting] : patch.settings) {
        auto other = std::make_shared<Patch>(patch);
        for (const auto& [post, knobs] : setting) {
            const auto at = std::ranges::find(other->posts, post, &Post::id);
            if (at == other->posts.end()) continue;
            for (const auto& [knob, value] : knobs) at->knobs[knob] = value;
        }
        others_.push_back({tr("setting %1").arg(q(name)), std::move(other)});
    }
    if (session_.log)
        if (Logbook* book = session_.log->book())
            if (const auto list = book->list({}, kMostAgainst))
                for (const TakeLine& entry : *list) {
                    if (others_.size() >= kMostAgainst) break;
                    const QString name = entry.label.name.empty() ? QString::number(entry.id) : q(entry.label.name);
                    others_.push_back({tr("take %1").arg(name), nullptr, {}, false, entry.id});
                }
    for (Against& file : files) others_.push_back(std::move(file));
    against_->clear();
    for (const Against& other : others_)
        against_->addItem(other.name, other.take != 0 ? QVariant::fromValue(other.take) : QVariant(other.name));
    against_->addItem(tr("a patch file…"));
    const int at = chosen.isValid() ? against_->findData(chosen) : -1;
    against_->setCurrentIndex(at >= 0 && at < static_cast<int>(others_.size()) ? at : others_.empty() ? -1 : 0);
    showHearing();
    showOptions();
}

void AskedPanel::holdAgainst(Against other) {
    others_.push_back(std::move(other));
    fillAgainst();
    against_->setCurrentIndex(static_cast<int>(others_.size()) - 1);
}

const AskedPanel::Against* AskedPanel::against() const {
    const int at = against_->currentIndex();
    if (at < 0 || at >= static_cast<int>(others_.size())) return nullptr;
    Against& other = others_[static_cast<std::size_t>(at)];
    if (!other.patch && other.take != 0 && session_.log)
        if (Logbook* book = session_.log->book())
            if (auto take = book->take(other.take)) {
                const auto level = take->figures.find("level");
                if (level != take->figures.end()) other.lufs = level->second;
                if (auto patch = checkPatch(std::move(take->patch), session_.document.library()))
                    other.patch = std::make_shared<const Patch>(std::move(*patch));
            }
    return other.patch ? &other : nullptr; // a take of modules that are not here cannot be run
}

void AskedPanel::fillKnobs() {
    std::map<QStringList, Qt::CheckState> before; // two posts may have one name
    for (int n = 0; n < knobs_->count(); ++n)
        before[knobs_->item(n)->data(Qt::UserRole).toStringList()] = knobs_->item(n)->checkState();
    const int scrolled = knobs_->currentRow();
    knobs_->clear();
    const Patch& patch = session_.document.patch();
    const auto add = [&](const Post& post, const KnobInfo& knob, bool unknown) {
        auto* item = new QListWidgetItem(
            QStringLiteral("%1 %2%3").arg(q(post.name), q(knob.name), unknown ? tr(" (unknown)") : QString()));
        item->setFlags(Qt::ItemIsEnabled | Qt::ItemIsSelectable | Qt::ItemIsUserCheckable);
        const QStringList at{q(post.id), q(knob.id)};
        item->setData(Qt::UserRole, at);
        const auto was = before.find(at);
        item->setCheckState(was != before.end() ? was->second : unknown ? Qt::Checked : Qt::Unchecked);
        knobs_->addItem(item);
    };
    for (const bool unknown : {true, false})
        for (const Post& post : patch.posts)
            for (const KnobInfo& knob : session_.document.library().part(post)->knobs)
                if (!knob.momentary && knob.scale.taper != Taper::Switch && !post.locked.contains(knob.id) &&
                    post.unknown.contains(knob.id) == unknown && (unknown || post.knobs.contains(knob.id)))
                    add(post, knob, unknown);
    knobs_->setCurrentRow(scrolled);
}

void AskedPanel::refresh() {
    filling_ = true;
    fillAskedOf();
    fillTriggers();
    if (question() == Question::Real) fillKnobs();
    if (question() == Question::Better) fillAgainst();
    showHearing();
    showOptions();
    filling_ = false;
}

void AskedPanel::recolour() {
    const Look& l = look();
    questions_->setStyleSheet(
        QStringLiteral("QListWidget { background: transparent; border: none; outline: none; }"
                       "QListWidget::item { padding-left: 12px; border-left: 4px solid transparent; "
                       "color: %1; }"
                       "QListWidget::item:selected { border-left: 4px solid %2; background: %3; "
                       "color: %2; }")
            .arg(l.ink.name(), l.accent.name(), l.paper.name()));
    fillAskedOf();
}

} // namespace lariat
