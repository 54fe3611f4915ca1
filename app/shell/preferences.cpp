#include "shell/preferences.h"

#include "look/fonts.h"

#include <QDialogButtonBox>
#include <QFileDialog>
#include <QFormLayout>
#include <QLabel>
#include <QSettings>
#include <QVBoxLayout>

namespace lariat {
namespace {

constexpr const char* kTheme = "theme";
constexpr const char* kDevice = "audio/device";

} // namespace

Theme Preferences::theme() {
    return themeFromName(QSettings().value(QLatin1String(kTheme)).toString());
}
QString Preferences::device() {
    return QSettings().value(QLatin1String(kDevice)).toString();
}

Preferences::Preferences(const Session& session, QWidget* parent) : QDialog(parent), session_(session) {
    setWindowTitle(tr("Preferences"));
    setMinimumWidth(480);
    auto* layout = new QVBoxLayout(this);
    auto* form = new QFormLayout;
    form->setVerticalSpacing(12);
    theme_ = new QComboBox;
    theme_->setObjectName(QStringLiteral("theme"));
    theme_->addItem(tr("As the system"), themeName(Theme::System));
    theme_->addItem(tr("Light"), themeName(Theme::Light));
    theme_->addItem(tr("Dark"), themeName(Theme::Dark));
    theme_->setCurrentIndex(theme_->findData(themeName(theme())));
    form->addRow(tr("Look"), theme_);
    device_ = new QComboBox;
    device_->setObjectName(QStringLiteral("device"));
    device_->addItem(tr("First one there is"), QString());
    for (const std::string& name : audioDeviceNames())
        device_->addItem(QString::fromStdString(name), QString::fromStdString(name));
    device_->setCurrentIndex(std::max(0, device_->findData(device())));
    form->addRow(tr("Sound goes to"), device_);
    record_ = new QPushButton;
    record_->setAutoDefault(false);
    record_->setObjectName(QStringLiteral("record"));
    form->addRow(tr("Recording"), record_);
    layout->addLayout(form);
    auto* caution =
        new QLabel(tr("Line, phone and instrument inputs can be damaged by eurorack levels: use an output stage. "
                      "Start with the monitor down, for your ears and your speakers."));
    caution->setWordWrap(true);
    caution->setFont(textFont(13));
    layout->addWidget(caution);
    auto* buttons = new QDialogButtonBox(QDialogButtonBox::Close);
    layout->addWidget(buttons);
    connect(buttons, &QDialogButtonBox::rejected, this, &QDialog::reject);
    connect(theme_, &QComboBox::activated, this, [this] {
        QSettings().setValue(QLatin1String(kTheme), theme_->currentData());
        Q_EMIT themeChosen(theme());
    });
    connect(device_, &QComboBox::activated, this, [this] {
        QSettings().setValue(QLatin1String(kDevice), device_->currentData());
        session_.sound.openDevice(device());
    });
    connect(&session_.sound, &Sound::deviceChanged, this, &Preferences::showRecording);
    connect(record_, &QPushButton::clicked, this, &Preferences::record);
    showRecording();
}

void Preferences::showRecording() {
    record_->setEnabled(session_.sound.canRecord());
    if (!session_.sound.canRecord())
        record_->setText(tr("Only the simulated interface records"));
    else
        record_->setText(session_.sound.recording() ? tr("Stop recording")
                                                    : tr("Record what is played to a WAV file…"));
}

void Preferences::record() {
    if (session_.sound.recording()) {
        session_.sound.stopRecording();
    } else {
        const QString file =
            QFileDialog::getSaveFileName(this, tr("Record to"), tr("recording.wav"), tr("WAV (*.wav)"));
        if (!file.isEmpty()) session_.sound.record(file);
    }
    showRecording();
}

} // namespace lariat
