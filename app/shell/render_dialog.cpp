#include "shell/render_dialog.h"

#include "engine/automation.h"
#include "look/text.h"
#include "timing/stems.h"

#include <QDialogButtonBox>
#include <QFormLayout>
#include <QPushButton>
#include <QSettings>

#include <algorithm>
#include <cmath>

namespace lariat {
namespace {

constexpr int kUsualSeconds = 30;
constexpr int kMostSeconds = 3600;
constexpr double kRing = 4.0; ///< for what rings on behind the last bar of the scenes
constexpr const char* kRate = "render/rate";
constexpr const char* kBits = "render/bits";
constexpr const char* kKind = "render/kind";

/// Chooses what was chosen last time, or else the usual.
void choose(QComboBox& box, const char* key, const QVariant& usual) {
    const int last = box.findData(QSettings().value(QLatin1String(key), usual));
    box.setCurrentIndex(last >= 0 ? last : box.findData(usual));
}

} // namespace

RenderDialog::RenderDialog(const Session& session, QWidget* parent) : QDialog(parent), session_(session) {
    setWindowTitle(tr("Sound to a file"));
    const Patch& patch = session_.document.patch();
    auto* form = new QFormLayout(this);
    const auto box = [&](const char* name, const QString& label) {
        auto* made = new QComboBox;
        made->setObjectName(QLatin1String(name));
        made->setAccessibleName(label);
        form->addRow(label, made);
        return made;
    };
    seconds_ = new QSpinBox;
    seconds_->setObjectName(QStringLiteral("render-seconds"));
    seconds_->setRange(1, kMostSeconds);
    seconds_->setSuffix(tr(" s from bar 1 on"));
    form->addRow(tr("Length"), seconds_);
    kind_ = box("render-kind", tr("File"));
    kind_->addItem(tr("WAV"), QStringLiteral(".wav"));
    kind_->addItem(tr("FLAC, half the size and nothing lost"), QStringLiteral(".flac"));
    rate_ = box("render-rate", tr("Rate"));
    for (const double rate : {44100.0, 48000.0, 96000.0})
        rate_->addItem(tr("%1 kHz").arg(rate / 1000.0, 0, 'f', rate == 44100.0 ? 1 : 0), rate);
    bits_ = box("render-bits", tr("Samples"));
    bits_->addItem(tr("32 bits, floating point"), 32);
    bits_->addItem(tr("24 bits, with dither"), 24);
    bits_->addItem(tr("16 bits, with dither"), 16);
    scenes_ = new QCheckBox(tr("The knobs follow the scenes"));
    scenes_->setObjectName(QStringLiteral("render-scenes"));
    scenes_->setEnabled(!patch.scenes.empty());
    scenes_->setChecked(session_.sound.playsScenes() && !patch.scenes.empty());
    form->addRow(QString(), scenes_);
    QStringList voices;
    for (const Stem& stem : stemsOf(patch, session_.document.library())) voices << q(stem.voice);
    stems_ = new QCheckBox(voices.isEmpty() ? tr("A file for each voice: no post names a voice")
                                            : tr("A file for each voice as well: %1").arg(voices.join(tr(", "))));
    stems_->setObjectName(QStringLiteral("render-stems"));
    stems_->setEnabled(!voices.isEmpty());
    form->addRow(QString(), stems_);
    auto* buttons = new QDialogButtonBox(QDialogButtonBox::Ok | QDialogButtonBox::Cancel);
    buttons->button(QDialogButtonBox::Ok)->setText(tr("Choose a file…"));
    form->addRow(buttons);
    choose(*kind_, kKind, QStringLiteral(".wav"));
    choose(*rate_, kRate, 48000.0);
    choose(*bits_, kBits, 32);
    propose();
    const auto fit = [this] { // FLAC holds whole numbers only
        if (kind_->currentData() == QStringLiteral(".flac") && bits_->currentData().toInt() == 32)
            bits_->setCurrentIndex(bits_->findData(24));
    };
    fit();
    connect(kind_, &QComboBox::currentIndexChanged, this, fit);
    connect(bits_, &QComboBox::currentIndexChanged, this, [this] {
        if (bits_->currentData().toInt() == 32) kind_->setCurrentIndex(0);
    });
    connect(scenes_, &QCheckBox::toggled, this, &RenderDialog::propose);
    connect(buttons, &QDialogButtonBox::rejected, this, &QDialog::reject);
    connect(buttons, &QDialogButtonBox::accepted, this, [this] {
        remember();
        accept();
    });
}

/// The whole song, or the usual.
void RenderDialog::propose() {
    const Document& document = session_.document;
    const double song = scenes() ? std::ceil(secondsOf(document.patch(), document.library()) + kRing) : kUsualSeconds;
    seconds_->setValue(static_cast<int>(std::clamp(song, 1.0, static_cast<double>(kMostSeconds))));
}

void RenderDialog::remember() const {
    QSettings settings;
    settings.setValue(QLatin1String(kRate), rate_->currentData());
    settings.setValue(QLatin1String(kBits), bits_->currentData());
    settings.setValue(QLatin1String(kKind), kind_->currentData());
}

SoundFormat RenderDialog::format() const {
    return {rate_->currentData().toDouble(), 2, bits_->currentData().toInt()};
}

QStringList RenderDialog::endings() const {
    return {kind_->currentData().toString()};
}

} // namespace lariat
