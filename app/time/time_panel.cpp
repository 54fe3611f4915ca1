#include "time/time_panel.h"

#include "look/fonts.h"
#include "look/text.h"
#include "shell/theme.h"
#include "units/pitch.h"

#include <QEvent>
#include <QPushButton>

#include <algorithm>
#include <cmath>

namespace lariat {
namespace {

constexpr int kWidth = 284;

} // namespace

TimePanel::TimePanel(const Session& session, LineEditor& editor, Responder& responder, QWidget* parent)
    : QScrollArea(parent), session_(session), editor_(editor), responder_(responder) {
    setFixedWidth(kWidth);
    setFrameShape(QFrame::NoFrame);
    setWidgetResizable(true);
    setHorizontalScrollBarPolicy(Qt::ScrollBarAlwaysOff);
    auto* inside = new QWidget;
    inside->setObjectName(QStringLiteral("time-panel"));
    column_ = new QVBoxLayout(inside);
    column_->setContentsMargins(16, 12, 12, 12);
    column_->setSpacing(6);
    nothing_ = new QLabel(tr("Choose a track or a lane to change how it runs and what its steps are."));
    nothing_->setWordWrap(true);
    nothing_->setFont(textFont(13));
    column_->addWidget(nothing_);
    buildLine();
    buildSteps();
    buildResponse();
    buildForecast();
    column_->addStretch(1);
    setWidget(inside);
    connect(&session_.document, &Document::changed, this, &TimePanel::refresh);
    connect(&session_.selection, &Selection::changed, this, &TimePanel::refresh);
    connect(&editor_, &LineEditor::variationShown, this, &TimePanel::refresh);
    connect(&responder_, &Responder::changed, this, &TimePanel::refreshResponse);
    connect(&responder_, &Responder::forecastChanged, this, &TimePanel::refreshForecast);
    dress();
    refresh();
}

QLabel* TimePanel::heading(const QString& text) {
    auto* made = new QLabel(text);
    made->setFont(textFont(13, true));
    headings_ << made;
    return made;
}

template <class Widget>
Widget* TimePanel::cell(QGridLayout* grid, int row, int column, const QString& label, Widget* widget, const char* name,
                        int span) {
    auto* text = new QLabel(label);
    text->setFont(textFont(13));
    text->setBuddy(widget);
    widget->setObjectName(QString::fromLatin1(name));
    widget->setFont(textFont(13));
    widget->setAccessibleName(label);
    widget->setMinimumWidth(0);
    widget->setSizePolicy(QSizePolicy::Ignored, QSizePolicy::Fixed);
    if constexpr (std::is_base_of_v<QAbstractSpinBox, Widget>) widget->setKeyboardTracking(false);
    grid->addWidget(text, 2 * row, column, 1, span);
    grid->addWidget(widget, 2 * row + 1, column, 1, span);
    return widget;
}

void TimePanel::buildLine() {
    linePart_ = new QWidget;
    auto* layout = new QVBoxLayout(linePart_);
    layout->setContentsMargins(0, 0, 0, 0);
    layout->setSpacing(4);
    layout->addWidget(heading(tr("Line")));
    auto* grid = new QGridLayout;
    grid->setHorizontalSpacing(8);
    grid->setVerticalSpacing(2);
    for (int column = 0; column < 3; ++column) grid->setColumnStretch(column, 1);
    layout->addLayout(grid);
    name_ = cell(grid, 0, 0, tr("Name"), new QLineEdit, "line-name", 2);
    name_->setMaxLength(40);
    length_ = cell(grid, 0, 2, tr("Steps"), new QSpinBox, "line-length");
    length_->setRange(1, static_cast<int>(kMaxSteps));
    division_ = cell(grid, 1, 2, tr("Pulses"), new QSpinBox, "line-division");
    division_->setRange(1, 16);
    direction_ = cell(grid, 1, 0, tr("Direction"), new QComboBox, "line-direction", 2);
    direction_->addItems({tr("forward"), tr("backward"), tr("to and fro"), tr("random")});
    swing_ = cell(grid, 2, 0, tr("Swing"), new QSpinBox, "line-swing");
    swing_->setRange(50, 75);
    swing_->setSuffix(QStringLiteral(" %"));
    lock_ = cell(grid, 2, 1, tr("Lock"), new QSpinBox, "line-lock");
    lock_->setRange(0, 16);
    lock_->setSpecialValueText(tr("alone"));
    lock_->setToolTip(tr("Lines with the same lock change variation together, when the first of them starts over."));
    division_->setToolTip(tr("Clock pulses that a step lasts"));
    triplets_ = new QCheckBox(tr("Triplets"));
    triplets_->setObjectName(QStringLiteral("line-triplets"));
    triplets_->setFont(textFont(13));
    triplets_->setToolTip(tr("Three steps in the time of two"));
    grid->addWidget(triplets_, 5, 2);
    for (int place = 0; place < grid->count(); ++place)
        if (QWidget* one = grid->itemAt(place)->widget(); grid->itemAtPosition(0, 0)->widget() != one && one != name_ &&
                                                          grid->itemAtPosition(0, 2)->widget() != one && one != length_)
            ofLines_ << one;
    column_->addWidget(linePart_);

    const auto stride = [this](const QString& what, auto set) {
        if (!showing_) editor_.changeStride(what, set);
    };
    connect(name_, &QLineEdit::editingFinished, this, [this] {
        if (showing_) return;
        const std::string text = name_->text().toStdString();
        if (editor_.line().lane)
            editor_.changeLane(tr("name a line"), [&](Lane& lane) { lane.name = text; });
        else
            editor_.changeTrack(tr("name a line"), [&](Track& track) { track.name = text; });
    });
    connect(length_, &QSpinBox::valueChanged, this, [this](int value) {
        if (!showing_) editor_.setLength(value);
    });
    connect(division_, &QSpinBox::valueChanged, this,
            [=](int value) { stride(tr("change the division"), [=](Stride& s) { s.division = value; }); });
    connect(direction_, &QComboBox::currentIndexChanged, this, [=](int index) {
        stride(tr("change the direction"), [=](Stride& s) { s.direction = static_cast<Direction>(index); });
    });
    connect(swing_, &QSpinBox::valueChanged, this,
            [=](int value) { stride(tr("change the swing"), [=](Stride& s) { s.swing = 0.01 * value; }); });
    connect(lock_, &QSpinBox::valueChanged, this,
            [=](int value) { stride(tr("change the lock"), [=](Stride& s) { s.lock = value; }); });
    connect(triplets_, &QCheckBox::toggled, this,
            [=](bool on) { stride(tr("triplets"), [=](Stride& s) { s.triplets = on; }); });

    fillPart_ = new QWidget;
    auto* fills = new QVBoxLayout(fillPart_);
    fills->setContentsMargins(0, 0, 0, 0);
    fills->setSpacing(4);
    fills->addWidget(heading(tr("Fill")));
    grid = new QGridLayout;
    grid->setHorizontalSpacing(8);
    grid->setVerticalSpacing(2);
    for (int column = 0; column < 3; ++column) grid->setColumnStretch(column, 1);
    fills->addLayout(grid);
    fillLength_ = cell(grid, 0, 0, tr("Steps"), new QSpinBox, "fill-length");
    fillLength_->setRange(1, 32);
    fill_ = cell(grid, 0, 1, tr("Hits"), new QSpinBox, "fill-hits");
    fill_->setRange(0, 32);
    rotate_ = cell(grid, 0, 2, tr("Turned by"), new QSpinBox, "fill-rotate");
    rotate_->setRange(0, 31);
    column_->addWidget(fillPart_);
    const auto knob = [this](QSpinBox* box, const char* control, int offset) {
        connect(box, &QSpinBox::valueChanged, this, [this, control, offset](int value) {
            if (!showing_) editor_.turn(editor_.line().post, control, value + offset);
        });
    };
    knob(fillLength_, "length", -1);
    knob(fill_, "fill", 0);
    knob(rotate_, "rotate", 0);
}

void TimePanel::buildSteps() {
    stepPart_ = new QWidget;
    auto* layout = new QVBoxLayout(stepPart_);
    layout->setContentsMargins(0, 8, 0, 0);
    layout->setSpacing(4);
    stepHead_ = heading(QString());
    layout->addWidget(stepHead_);
    auto* grid = new QGridLayout;
    grid->setHorizontalSpacing(8);
    grid->setVerticalSpacing(2);
    for (int column = 0; column < 3; ++column) grid->setColumnStretch(column, 1);
    layout->addLayout(grid);
    note_ = cell(grid, 0, 0, tr("Note"), new QLineEdit, "step-note");
    note_->setToolTip(tr("A note such as D3, - for a rest, = for a tie"));
    gate_ = cell(grid, 0, 1, tr("Gate"), new QSpinBox, "step-gate");
    gate_->setRange(5, 100);
    gate_->setSuffix(QStringLiteral(" %"));
    gate_->setToolTip(tr("Open part of the step; at 100 % it slurs into the next note"));
    velocity_ = cell(grid, 0, 2, tr("Velocity"), new QSpinBox, "step-velocity");
    velocity_->setRange(1, 127);
    chance_ = cell(grid, 1, 0, tr("Chance"), new QSpinBox, "step-chance");
    chance_->setRange(0, 100);
    chance_->setSuffix(QStringLiteral(" %"));
    repeats_ = cell(grid, 1, 1, tr("Strikes"), new QSpinBox, "step-repeats");
    repeats_->setRange(1, 8);
    late_ = cell(grid, 1, 2, tr("Late by"), new QSpinBox, "step-late");
    late_->setRange(0, 90);
    late_->setSuffix(QStringLiteral(" %"));
    cv_ = cell(grid, 2, 0, tr("CV"), new QDoubleSpinBox, "step-cv");
    cv_->setRange(-5.0, 8.0);
    cv_->setSingleStep(0.1);
    cv_->setSuffix(QStringLiteral(" V"));
    accent_ = new QCheckBox(tr("Accent"));
    accent_->setObjectName(QStringLiteral("step-accent"));
    accent_->setFont(textFont(13));
    slide_ = new QCheckBox(tr("Slide"));
    slide_->setObjectName(QStringLiteral("step-slide"));
    slide_->setFont(textFont(13));
    grid->addWidget(accent_, 5, 1);
    grid->addWidget(slide_, 5, 2);
    column_->addWidget(stepPart_);

    for (int place = 0; place < grid->count(); ++place)
        if (QWidget* one = grid->itemAt(place)->widget(); one != accent_) ofTracks_ << one;
    for (int place = 0; place < grid->count(); ++place)
        if (QWidget* one = grid->itemAt(place)->widget(); one != note_ && grid->itemAtPosition(0, 0)->widget() != one)
            ofNotes_ << one;

    const auto steps = [this](const QString& what, auto set) {
        if (!showing_) editor_.changeSteps(what, set);
    };
    connect(note_, &QLineEdit::editingFinished, this, [this] {
        if (showing_ || !note_->isModified()) return;
        note_->setModified(false);
        const QString text = note_->text().trimmed();
        const auto note = parseNote(text.toStdString());
        if (text == QLatin1String("-") || text == QLatin1String(".")) {
            editor_.clear();
        } else if (text == QLatin1String("=")) {
            editor_.changeSteps(tr("tie"), [](Step& step) {
                step.kind = Step::Kind::Tie;
                step.gate = 1.0;
                step.unknown = false;
            });
        } else if (note) {
            editor_.changeSteps(tr("write a note"), [&](Step& step) {
                if (step.kind != Step::Kind::Note) step = Step{.kind = Step::Kind::Note};
                step.note = *note;
                step.unknown = false;
            });
        } else {
            Q_EMIT message(tr("“%1” is no note. Write D3, B♭3 or F#2, - for a rest, = for a tie.").arg(text), true);
        }
        refreshSteps();
    });
    const auto number = [=, this](QSpinBox* box, const QString& what, auto set) {
        connect(box, &QSpinBox::valueChanged, this,
                [=](int value) { steps(what, [=](Step& step) { set(step, value); }); });
    };
    number(gate_, tr("change the gate"), [](Step& step, int value) { step.gate = 0.01 * value; });
    number(velocity_, tr("change the velocity"), [](Step& step, int value) { step.velocity = value; });
    number(chance_, tr("change the chance"), [](Step& step, int value) { step.probability = 0.01 * value; });
    number(repeats_, tr("change the strikes"), [](Step& step, int value) { step.repeats = value; });
    number(late_, tr("play late"), [](Step& step, int value) { step.late = 0.01 * value; });
    connect(cv_, &QDoubleSpinBox::valueChanged, this,
            [=](double value) { steps(tr("change the CV"), [=](Step& step) { step.cv = value; }); });
    connect(accent_, &QCheckBox::clicked, this, [this](bool on) {
        if (editor_.line().lane) {
            const std::set<int> chosen = editor_.steps();
            editor_.changeLane(tr("accent"), [&](Lane& lane) {
                for (std::size_t i = 0; i < lane.hits.size(); ++i)
                    if (lane.hits[i] != Hit::Rest && (chosen.empty() || chosen.contains(static_cast<int>(i))))
                        lane.hits[i] = on ? Hit::Accent : Hit::Hit;
            });
        } else {
            editor_.changeSteps(tr("accent"), [=](Step& step) { step.accent = on; });
        }
    });
    connect(slide_, &QCheckBox::clicked, this,
            [this](bool on) { editor_.changeSteps(tr("slide"), [=](Step& step) { step.slide = on; }); });
}

void TimePanel::buildResponse() {
    responsePart_ = new QWidget;
    auto* layout = new QVBoxLayout(responsePart_);
    layout->setContentsMargins(0, 8, 0, 0);
    layout->setSpacing(4);
    layout->addWidget(heading(tr("Fit to step")));
    contour_ = new QComboBox;
    contour_->setObjectName(QStringLiteral("fit-contour"));
    contour_->setFont(textFont(13));
    contour_->setAccessibleName(tr("Contour"));
    layout->addWidget(contour_);
    auto* sustain = new QPushButton(tr("Just reach sustain"));
    sustain->setObjectName(QStringLiteral("fit-sustain"));
    sustain->setToolTip(tr("The longest decay with which the chosen notes, or all, reach sustain at this tempo"));
    auto* next = new QPushButton(tr("Just end before the next note"));
    next->setObjectName(QStringLiteral("fit-next"));
    next->setToolTip(tr("The longest tail that ends before the next note comes, at this tempo"));
    for (QPushButton* button : {sustain, next}) {
        button->setFont(textFont(13));
        layout->addWidget(button);
    }
    connect(sustain, &QPushButton::clicked, this, [this] { fit(Fit::ReachSustain); });
    connect(next, &QPushButton::clicked, this, [this] { fit(Fit::EndBeforeNext); });
    column_->addWidget(responsePart_);
}

void TimePanel::buildForecast() {
    forecastPart_ = new QWidget;
    auto* layout = new QVBoxLayout(forecastPart_);
    layout->setContentsMargins(0, 8, 0, 0);
    layout->setSpacing(4);
    layout->addWidget(heading(tr("What if the tempo changes?")));
    forecastText_ = new QLabel;
    forecastText_->setFont(textFont(13));
    forecastText_->setWordWrap(true);
    layout->addWidget(forecastText_);
    forecast_ = new ForecastView;
    layout->addWidget(forecast_);
    connect(forecast_, &ForecastView::pressed, this, [this](std::size_t index) {
        const Forecast& one = forecast_->forecasts()[index];
        const int at = contour_->findData(q(one.post));
        if (at >= 0) contour_->setCurrentIndex(at);
    });
    column_->addWidget(forecastPart_);
}

void TimePanel::fit(Fit how) {
    const std::string contour = contour_->currentData().toString().toStdString();
    const std::string post = session_.selection.chosen().line.post;
    if (contour.empty() || post.empty()) return;
    const int step = editor_.steps().size() == 1 ? *editor_.steps().begin() : -1;
    responder_.fit(post, contour, how, step);
}

void TimePanel::refresh() {
    const auto sequencer = editor_.sequencer();
    const LineRef& line = editor_.line();
    const bool chosen = sequencer && !line.post.empty();
    LineKind kind = LineKind::Track;
    if (chosen)
        for (const SequencerLine& one : sequencer->lines)
            if (one.at == line) kind = one.kind;
    const Track* track = editor_.track();
    const Lane* lane = editor_.lane();
    showing_ = true;
    nothing_->setVisible(!chosen);
    linePart_->setVisible(track || lane);
    fillPart_->setVisible(chosen && kind == LineKind::Fill);
    if (track || lane) {
        const Stride& stride = track ? track->stride : lane->stride;
        if (!name_->hasFocus()) name_->setText(q(track ? track->name : lane->name));
        length_->setValue(editor_.stepCount());
        division_->setValue(stride.division);
        direction_->setCurrentIndex(static_cast<int>(stride.direction));
        swing_->setValue(static_cast<int>(std::lround(100.0 * stride.swing)));
        swing_->setEnabled(!stride.triplets);
        lock_->setValue(stride.lock);
        triplets_->setChecked(stride.triplets);
    }
    if (chosen && kind == LineKind::Fill) {
        const Post& post = *session_.document.patch().post(line.post);
        const auto value = [&](const char* control) {
            const KnobInfo* knob = editor_.knob(line.post, control);
            return knob ? static_cast<int>(knobValue(post, *knob)) : 0;
        };
        fillLength_->setValue(1 + value("length"));
        fill_->setValue(value("fill"));
        rotate_->setValue(value("rotate"));
    }
    showing_ = false;
    refreshSteps();
    refreshResponse();
}

void TimePanel::refreshSteps() {
    const Track* track = editor_.track();
    const Lane* lane = editor_.lane();
    const std::set<int>& steps = editor_.steps();
    showing_ = true;
    stepPart_->setVisible(track || lane);
    stepHead_->setText(steps.empty()       ? tr("All steps")
                       : steps.size() == 1 ? tr("Step %1").arg(*steps.begin() + 1)
                                           : tr("%1 steps").arg(steps.size()));
    for (QWidget* one : ofTracks_) one->setVisible(track != nullptr);
    const Post* post = session_.document.patch().post(editor_.line().post);
    const bool slots_ = post && session_.document.library().part(*post)->has("quantizer");
    if (slots_)
        for (QWidget* one : ofNotes_) one->setVisible(false);
    else
        accent_->setVisible(true);
    for (QWidget* one : ofLines_) one->setVisible(!slots_);
    const auto first = static_cast<std::size_t>(steps.empty() ? 0 : *steps.begin());
    if (track && first < track->steps.size()) {
        const Step& step = track->steps[first];
        if (!note_->hasFocus() || !note_->isModified())
            note_->setText(step.kind == Step::Kind::Rest  ? QStringLiteral("-")
                           : step.kind == Step::Kind::Tie ? QStringLiteral("=")
                                                          : q(noteName(step.note)));
        gate_->setValue(static_cast<int>(std::lround(100.0 * step.gate)));
        velocity_->setValue(step.velocity);
        chance_->setValue(static_cast<int>(std::lround(100.0 * step.probability)));
        repeats_->setValue(step.repeats);
        late_->setValue(static_cast<int>(std::lround(100.0 * step.late)));
        cv_->setValue(step.cv);
        accent_->setChecked(step.accent);
        slide_->setChecked(step.slide);
    }
    if (lane && first < lane->hits.size()) accent_->setChecked(lane->hits[first] == Hit::Accent);
    showing_ = false;
}

void TimePanel::refreshResponse() {
    const std::string post = session_.selection.chosen().line.post;
    const Responses* responses = post.empty() ? nullptr : responder_.of(post);
    const QString before = contour_->currentData().toString();
    QStringList names;
    QStringList posts;
    if (responses)
        for (const ContourResponse& contour : responses->contours)
            if (contour.line == std::optional(editor_.line()))
                if (const Post* found = session_.document.patch().post(contour.post)) {
                    names << q(found->name);
                    posts << q(contour.post);
                }
    QStringList now;
    for (int i = 0; i < contour_->count(); ++i) now << contour_->itemData(i).toString() + contour_->itemText(i);
    QStringList wanted;
    for (int i = 0; i < names.size(); ++i) wanted << posts[i] + names[i];
    if (now != wanted) {
        contour_->clear();
        for (int i = 0; i < names.size(); ++i) contour_->addItem(names[i], posts[i]);
        contour_->setCurrentIndex(std::max(0, contour_->findData(before)));
    }
    responsePart_->setVisible(!names.isEmpty());
    refreshForecast();
}

void TimePanel::refreshForecast() {
    const auto sequencers = sequencersOf(session_.document.patch(), session_.document.library());
    std::string post = session_.selection.chosen().line.post;
    if (post.empty() && !sequencers.empty()) post = sequencers.front().post;
    const Responses* responses = responder_.of(post);
    const bool any = responses && !responses->contours.empty();
    forecastPart_->setVisible(any);
    if (!any) return;
    const bool known = responder_.foretold();
    forecastText_->setVisible(!known && responder_.forecasts(post).empty());
    forecastText_->setText(tr("It is being worked out for 40 to 240 BPM."));
    // Those of the line that is chosen come first.
    std::vector<Forecast> forecasts = responder_.forecasts(post);
    std::stable_partition(forecasts.begin(), forecasts.end(),
                          [&](const Forecast& one) { return contour_->findData(q(one.post)) >= 0; });
    forecast_->show(std::move(forecasts), tempoOf(session_.document.patch(), session_.document.library()));
}

void TimePanel::dress() {
    const Look& l = look();
    setStyleSheet(QStringLiteral("#time-panel { background: %1; }").arg(l.panel.name()));
}

void TimePanel::changeEvent(QEvent* event) {
    if (event->type() == QEvent::PaletteChange) dress();
    QScrollArea::changeEvent(event);
}

} // namespace lariat
