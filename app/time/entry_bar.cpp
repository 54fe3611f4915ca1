#include "time/entry_bar.h"

#include "look/fonts.h"

#include <QHBoxLayout>

namespace lariat {
namespace {

constexpr int kBeatMilliseconds = 60;

} // namespace

EntryBar::EntryBar(StepEntry& entry, Recorder& recorder, QWidget* parent)
    : QWidget(parent), entry_(entry), recorder_(recorder) {
    auto* layout = new QHBoxLayout(this);
    layout->setContentsMargins(16, 6, 12, 6);
    layout->setSpacing(6);
    const auto add = [&](auto* widget, const char* name, const QString& tip) {
        widget->setObjectName(QString::fromLatin1(name));
        widget->setFont(textFont(13));
        widget->setToolTip(tip);
        layout->addWidget(widget);
        return widget;
    };
    enter_ = add(new QPushButton(tr("Step entry")), "step-entry",
                 tr("What is played on the keys or comes in by MIDI goes to the cursor, which goes on (Ctrl+Return)"));
    enter_->setCheckable(true);
    record_ = add(new QPushButton(tr("Record")), "record",
                  tr("What is played goes into the chosen line while it runs (Ctrl+R)"));
    record_->setCheckable(true);
    record_->setMinimumWidth(QFontMetrics(record_->font()).horizontalAdvance(tr("Count-in %1").arg(8)) + 28);
    how_ = add(new QComboBox, "record-how", tr("Whether what is there stays, or gives way where nothing is played"));
    how_->addItems({tr("adds"), tr("replaces")});
    quantize_ = add(new QSpinBox, "record-quantize",
                    tr("How far what is played is moved to its step; hits of a lane always stand on theirs"));
    quantize_->setRange(0, 100);
    quantize_->setSingleStep(10);
    quantize_->setPrefix(tr("quantize "));
    quantize_->setSuffix(QStringLiteral(" %"));
    countIn_ = add(new QSpinBox, "record-count-in", tr("Bars of four beats before the recording begins"));
    countIn_->setRange(0, 4);
    countIn_->setPrefix(tr("count-in "));
    click_ =
        add(new QCheckBox(tr("click")), "record-click", tr("A click on each beat while it records; only you hear it"));
    layout->addStretch(1);
    for (QWidget* one : std::initializer_list<QWidget*>{enter_, record_, how_, quantize_, countIn_, click_})
        one->setAccessibleName(one->toolTip());
    quantize_->setValue(recorder_.settings().quantize);
    countIn_->setValue(recorder_.settings().countInBars);
    click_->setChecked(recorder_.settings().click);
    connect(enter_, &QPushButton::clicked, this, [this](bool on) { entry_.setOn(on); });
    connect(record_, &QPushButton::clicked, this, [this](bool on) {
        on ? recorder_.start() : recorder_.stop();
        refresh();
    });
    connect(how_, &QComboBox::currentIndexChanged, this, &EntryBar::settings);
    connect(quantize_, &QSpinBox::valueChanged, this, &EntryBar::settings);
    connect(countIn_, &QSpinBox::valueChanged, this, &EntryBar::settings);
    connect(click_, &QCheckBox::toggled, this, &EntryBar::settings);
    connect(&entry_, &StepEntry::changed, this, &EntryBar::refresh);
    connect(&recorder_, &Recorder::changed, this, &EntryBar::refresh);
    connect(&beats_, &QTimer::timeout, this, &EntryBar::refresh);
    refresh();
}

void EntryBar::settings() {
    recorder_.setSettings({how_->currentIndex() == 1, quantize_->value(), countIn_->value(), click_->isChecked()});
}

void EntryBar::refresh() {
    enter_->setChecked(entry_.on());
    const Recorder::State state = recorder_.state();
    record_->setChecked(state != Recorder::State::Off);
    record_->setText(state == Recorder::State::Off       ? tr("Record")
                     : state == Recorder::State::CountIn ? tr("Count-in %1").arg(recorder_.beatsLeft())
                                                         : tr("Recording"));
    if (state == Recorder::State::CountIn)
        beats_.start(kBeatMilliseconds);
    else
        beats_.stop();
}

} // namespace lariat
