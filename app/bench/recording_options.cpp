#include "bench/recording_options.h"

#include "look/fonts.h"
#include "look/look.h"
#include "widgets/plain.h"

#include <QFormLayout>
#include <QSignalBlocker>

#include <algorithm>
#include <array>

namespace lariat {
namespace {

constexpr double kLongestFile = 36000.0; ///< seconds
/// Of full scale: a mix of ours, an interface at line level, a probe in volts.
constexpr std::array kVolts = {10.0, 5.0, 1.737, 1.0};

} // namespace

RecordingOptions::RecordingOptions(QWidget* parent) : QWidget(parent) {
    auto* form = new QFormLayout(this);
    form->setContentsMargins(0, 0, 0, 0);
    form->setVerticalSpacing(4);
    channel_ = new QComboBox;
    channel_->setObjectName(QStringLiteral("bench-channel"));
    channel_->setAccessibleName(tr("Channel of the recording"));
    from_ = new QDoubleSpinBox;
    from_->setObjectName(QStringLiteral("bench-recorded-from"));
    from_->setAccessibleName(tr("Where the recording begins to be read"));
    from_->setRange(0.0, kLongestFile);
    from_->setDecimals(1);
    from_->setSuffix(QStringLiteral(" s"));
    from_->setKeyboardTracking(false);
    volts_ = new QComboBox;
    volts_->setObjectName(QStringLiteral("bench-recorded-volts"));
    volts_->setAccessibleName(tr("Volts of full scale"));
    for (const double volts : kVolts) volts_->addItem(tr("%1 V").arg(volts, 0, 'g', 4), volts);
    const auto row = [&](const QString& text, QWidget* field) {
        field->setFont(textFont(13));
        auto* label = plainLabel(text, look().softInk);
        label->setWordWrap(false);
        form->addRow(label, field);
    };
    row(tr("Channel"), channel_);
    row(tr("Read from"), from_);
    row(tr("Full scale is"), volts_);
    const auto tell = [this] {
        if (!filling_) Q_EMIT changed();
    };
    connect(channel_, &QComboBox::currentIndexChanged, this, tell);
    connect(from_, &QDoubleSpinBox::valueChanged, this, tell);
    connect(volts_, &QComboBox::currentIndexChanged, this, tell);
}

void RecordingOptions::show(const Recorded& recorded) {
    filling_ = true;
    channel_->clear();
    const int channels = recorded.trace ? recorded.trace->channels : 1;
    for (int c = 0; c < channels; ++c)
        channel_->addItem(channels != 2 ? tr("channel %1").arg(c + 1) : c == 0 ? tr("left") : tr("right"), c);
    if (channels > 1) channel_->addItem(tr("all, mixed"), kAllChannels);
    channel_->setCurrentIndex(std::max(0, channel_->findData(recorded.how.channel)));
    channel_->setEnabled(channels > 1);
    from_->setValue(recorded.how.from);
    volts_->setCurrentIndex(std::max(0, volts_->findData(recorded.how.voltsAtFull)));
    filling_ = false;
}

FileOptions RecordingOptions::how() const {
    FileOptions how;
    how.channel = channel_->currentData().toInt();
    how.from = from_->value();
    how.voltsAtFull = volts_->currentData().toDouble();
    return how;
}

} // namespace lariat
