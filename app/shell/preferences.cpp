#include "shell/preferences.h"

#include "look/fonts.h"
#include "look/language.h"
#include "widgets/plain.h"

#include <QCheckBox>
#include <QDialogButtonBox>
#include <QFileDialog>
#include <QFileInfo>
#include <QFormLayout>
#include <QHBoxLayout>
#include <QLabel>
#include <QLocale>
#include <QPushButton>
#include <QSettings>
#include <QVBoxLayout>

#include <cmath>

namespace lariat {
namespace {

constexpr const char* kTheme = "theme";
constexpr const char* kDevice = "audio/device";
constexpr const char* kSimulatedIn = "audio/simulatedIn";
constexpr const char* kLanguage = "language";
constexpr const char* kBlock = "audio/block";
constexpr const char* kMidi = "midi/device";
constexpr const char* kClockOut = "midi/clock-out";
constexpr const char* kFollows = "midi/follows-start";
constexpr const char* kScale = "scale";
constexpr int kScales[] = {100, 125, 150, 175, 200, 250, 300};
constexpr unsigned kBlocks[] = {64, 128, 256, 512, 1024, 2048};
constexpr unsigned kUsualBlock = 512;

} // namespace

Theme Preferences::theme() {
    return themeFromName(QSettings().value(QLatin1String(kTheme)).toString());
}
QString Preferences::device() {
    return QSettings().value(QLatin1String(kDevice)).toString();
}

QString Preferences::simulatedIn() {
    return QSettings().value(QLatin1String(kSimulatedIn)).toString();
}
QString Preferences::language() {
    return QSettings().value(QLatin1String(kLanguage)).toString();
}
unsigned Preferences::blockFrames() {
    return QSettings().value(QLatin1String(kBlock), kUsualBlock).toUInt();
}
QString Preferences::midi() {
    return QSettings().value(QLatin1String(kMidi)).toString();
}
QString Preferences::clockOut() {
    return QSettings().value(QLatin1String(kClockOut)).toString();
}
bool Preferences::followsStart() {
    return QSettings().value(QLatin1String(kFollows), true).toBool();
}
double Preferences::scale() {
    return 0.01 * QSettings().value(QLatin1String(kScale), 0).toInt();
}

Preferences::Preferences(const Session& session, QWidget* parent) : QDialog(parent), session_(session) {
    setWindowTitle(tr("Preferences"));
    setMinimumWidth(580);
    auto* layout = new QVBoxLayout(this);
    auto* form = new QFormLayout;
    form->setVerticalSpacing(12);
    theme_ = new QComboBox;
    theme_->setObjectName(QStringLiteral("theme"));
    language_ = new QComboBox;
    language_->setObjectName(QStringLiteral("language"));
    language_->addItem(tr("As the system"), QString());
    for (const QString& code : languages()) language_->addItem(QLocale(code).nativeLanguageName(), code);
    language_->setCurrentIndex(std::max(0, language_->findData(language())));
    language_->setToolTip(tr("Takes effect when Lariat is started again."));
    theme_->addItem(tr("As the system"), themeName(Theme::System));
    theme_->addItem(tr("Light"), themeName(Theme::Light));
    theme_->addItem(tr("Dark"), themeName(Theme::Dark));
    theme_->setCurrentIndex(theme_->findData(themeName(theme())));
    form->addRow(tr("Look"), theme_);
    form->addRow(tr("Language"), language_);
    auto* scale = new QComboBox;
    scale->setObjectName(QStringLiteral("scale"));
    scale->addItem(tr("As the system's text"), 0);
    for (const int percent : kScales) scale->addItem(tr("%1 %").arg(percent), percent);
    scale->setCurrentIndex(std::max(0, scale->findData(static_cast<int>(std::lround(100.0 * Preferences::scale())))));
    scale->setToolTip(tr("Takes effect when Lariat is started again."));
    form->addRow(tr("Size of everything"), scale);
    connect(scale, &QComboBox::activated, this,
            [scale] { QSettings().setValue(QLatin1String(kScale), scale->currentData()); });
    device_ = new QComboBox;
    device_->setObjectName(QStringLiteral("device"));
    device_->addItem(tr("First one there is"), QString());
    for (const std::string& name : audioDeviceNames())
        device_->addItem(QString::fromStdString(name), QString::fromStdString(name));
    device_->setCurrentIndex(std::max(0, device_->findData(device())));
    form->addRow(tr("Sound goes to"), device_);
    form->addRow(tr("Simulated one hears"), makeSimulatedIn());
    auto* block = new QComboBox;
    block->setObjectName(QStringLiteral("latency"));
    for (const unsigned frames : kBlocks)
        block->addItem(tr("%1 ms (blocks of %2)").arg(Sound::latencyMilliseconds(frames), 0, 'f', 0).arg(frames),
                       frames);
    block->setCurrentIndex(block->findData(session_.sound.blockFrames()));
    block->setToolTip(tr("From an edit to the loudspeaker. If the sound drops out, take more."));
    form->addRow(tr("Latency"), block);
    dropouts_ = new QLabel;
    dropouts_->setWordWrap(true);
    form->addRow(tr("Dropouts"), dropouts_);
    auto* midi = new QComboBox;
    midi->setObjectName(QStringLiteral("midi"));
    for (const std::string& name : midiInputNames()) midi->addItem(QString::fromStdString(name));
    midi->setCurrentIndex(
        std::max(0, session_.sound.midi() ? midi->findText(QString::fromStdString(session_.sound.midi()->name())) : 0));
    form->addRow(tr("MIDI comes from"), midi);
    auto* follows = new QCheckBox(tr("Its start, continue and stop start and stop the patch"));
    follows->setObjectName(QStringLiteral("follows-start"));
    follows->setChecked(session_.sound.followsStart());
    form->addRow(QString(), follows);
    connect(follows, &QCheckBox::toggled, this, [this](bool on) {
        QSettings().setValue(QLatin1String(kFollows), on);
        session_.sound.setFollowsStart(on);
    });
    auto* out = new QComboBox;
    out->setObjectName(QStringLiteral("clock-out"));
    out->addItem(tr("nowhere"), QString());
    for (const std::string& name : midiOutputNames())
        out->addItem(QString::fromStdString(name), QString::fromStdString(name));
    out->setCurrentIndex(std::max(
        0, session_.sound.clockOut() ? out->findData(QString::fromStdString(session_.sound.clockOut()->output().name()))
                                     : 0));
    out->setToolTip(tr("24 pulses a beat of the patch's clock, with start, continue and stop"));
    form->addRow(tr("MIDI clock goes to"), out);
    connect(out, &QComboBox::activated, this, [this, out] {
        QSettings().setValue(QLatin1String(kClockOut), out->currentData());
        session_.sound.openClockOut(out->currentData().toString());
        showClocks();
    });
    clocks_ = new QLabel;
    clocks_->setObjectName(QStringLiteral("clocks"));
    clocks_->setWordWrap(true);
    form->addRow(tr("Clock"), clocks_);
    connect(&clockTimer_, &QTimer::timeout, this, &Preferences::showClocks);
    clockTimer_.start(250);
    showClocks();
    connect(block, &QComboBox::activated, this, [this, block] {
        QSettings().setValue(QLatin1String(kBlock), block->currentData());
        session_.sound.setBlockFrames(block->currentData().toUInt());
        showDropouts();
    });
    connect(midi, &QComboBox::activated, this, [this, midi] {
        QSettings().setValue(QLatin1String(kMidi), midi->currentText());
        session_.sound.openMidi(midi->currentText());
    });
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
    connect(language_, &QComboBox::activated, this,
            [this] { QSettings().setValue(QLatin1String(kLanguage), language_->currentData()); });
    connect(device_, &QComboBox::activated, this, [this] {
        QSettings().setValue(QLatin1String(kDevice), device_->currentData());
        session_.sound.openDevice(device());
    });
    showDropouts();
}

/// A stand-in for what is plugged into an interface: a sound file, again and again.
QWidget* Preferences::makeSimulatedIn() {
    auto* whole = new QWidget;
    auto* across = new QHBoxLayout(whole);
    across->setContentsMargins(0, 0, 0, 0);
    auto* choose = plainButton({}, "simulated-in"); // Return closes the dialog, and opens no other
    choose->setToolTip(
        tr("A sound file that comes in at the simulated interface, again and again, as if it were played "
           "there"));
    auto* none = plainButton(tr("Nothing"), "simulated-in-none");
    across->addWidget(choose, 1);
    across->addWidget(none);
    const auto show = [choose, none] {
        const QString file = simulatedIn();
        choose->setText(file.isEmpty() ? tr("A sound file…") : QFileInfo(file).fileName());
        none->setEnabled(!file.isEmpty());
    };
    const auto set = [this, show](const QString& file) {
        QSettings().setValue(QLatin1String(kSimulatedIn), file);
        session_.sound.setSimulatedIn(file);
        show();
    };
    connect(choose, &QPushButton::clicked, this, [this, set] {
        const QString file = QFileDialog::getOpenFileName(this, tr("What the simulated interface hears"), simulatedIn(),
                                                          tr("Sound (*.wav *.flac *.aif *.aiff)"));
        if (!file.isEmpty()) set(file);
    });
    connect(none, &QPushButton::clicked, this, [set] { set({}); });
    show();
    return whole;
}

/// What is measured of the clocks, in and out.
void Preferences::showClocks() {
    const auto text = [](const ClockMeter::Reading& reading) {
        return reading.tempo <= 0.0 ? tr("none")
                                    : tr("%1 BPM, uneven by %2 ms (%3 at worst)")
                                          .arg(reading.tempo, 0, 'f', 1)
                                          .arg(reading.jitter, 0, 'f', 2)
                                          .arg(reading.worst, 0, 'f', 2);
    };
    clocks_->setText(tr("in: %1").arg(text(session_.sound.clockIn())) + QLatin1Char('\n') +
                     tr("out: %1").arg(text(session_.sound.clockOut() ? session_.sound.clockOut()->reading()
                                                                      : ClockMeter::Reading{})));
}

void Preferences::showDropouts() {
    const unsigned count = session_.sound.dropouts();
    dropouts_->setText(count == 0
                           ? tr("none so far")
                           : tr("%1: a block was not ready when the device wanted it. Take more latency, or close "
                                "what else keeps this machine busy.")
                                 .arg(count));
}

} // namespace lariat
