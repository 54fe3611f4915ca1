#include "shell/transport_bar.h"

#include "look/fonts.h"
#include "model/scene.h"
#include "shell/theme.h"

#include <QHBoxLayout>
#include <QMenu>
#include <QPainter>
#include <QPainterPath>

#include <algorithm>
#include <cmath>

namespace lariat {
namespace {

constexpr int kRefreshMilliseconds = 40;
constexpr int kLongMilliseconds = 600; ///< from here on background work is shown

class RunButton : public QAbstractButton {
  public:
    RunButton() {
        setFixedSize(44, 40);
        setCheckable(true);
        setFocusPolicy(Qt::StrongFocus);
    }

  protected:
    void paintEvent(QPaintEvent*) override {
        QPainter painter(this);
        const Look& l = look();
        painter.setRenderHint(QPainter::Antialiasing);
        if (hasFocus() || underMouse()) {
            painter.setPen(QPen(hasFocus() ? l.accent : l.railInk, 1));
            painter.drawRoundedRect(rect().adjusted(1, 1, -2, -2), 4, 4);
        }
        painter.setPen(Qt::NoPen);
        painter.setBrush(l.railInk);
        if (isChecked())
            painter.drawRect(15, 13, 14, 14);
        else
            painter.drawPolygon(QPolygonF{QPointF(15, 11), QPointF(31, 20), QPointF(15, 29)});
    }
};

} // namespace

TransportBar::TransportBar(const Session& session, QWidget* parent) : QFrame(parent), session_(session) {
    setFixedHeight(56);
    auto* layout = new QHBoxLayout(this);
    layout->setContentsMargins(18, 4, 18, 4);
    layout->setSpacing(12);
    const auto label = [&](const QFont& font, int width, const QString& name) {
        auto* made = new QLabel;
        made->setFont(font);
        made->setMinimumWidth(width);
        made->setAccessibleName(name);
        return made;
    };
    run_ = new RunButton;
    run_->setObjectName(QStringLiteral("run"));
    run_->setAccessibleName(tr("Start or stop"));
    run_->setToolTip(tr("Start or stop the clock (Space)"));
    run_->setChecked(session.sound.engine().running());
    connect(run_, &QAbstractButton::clicked, this, [this](bool on) { session_.sound.setRunning(on); });
    connect(&session.sound, &Sound::runningChanged, run_, &QAbstractButton::setChecked);
    position_ = label(figureFont(20), 76, tr("Bar and beat"));
    tempo_ = label(figureFont(13), 84, tr("Tempo"));
    left_ = new Meter(tr("out L"));
    right_ = new Meter(tr("out R"));
    auto* meters = new QVBoxLayout;
    meters->setSpacing(2);
    meters->addStretch();
    meters->addWidget(left_);
    meters->addWidget(right_);
    meters->addStretch();
    monitor_ = new QSlider(Qt::Horizontal);
    monitor_->setObjectName(QStringLiteral("monitor"));
    monitor_->setAccessibleName(tr("Monitor level in dB"));
    monitor_->setRange(-60, 0);
    monitor_->setPageStep(6);
    monitor_->setMinimumWidth(70);
    monitor_->setMaximumWidth(110);
    monitor_->setValue(static_cast<int>(std::lround(session.sound.monitorDecibels())));
    monitor_->setToolTip(
        tr("How loud the monitor is. Start low: resonance, feedback and sync can jump 20 dB in a step."));
    monitorText_ = label(textFont(13), 100, tr("Monitor level"));
    load_ = label(textFont(13), 76, tr("Load"));
    load_->setAlignment(Qt::AlignRight | Qt::AlignVCenter);
    connect(monitor_, &QSlider::valueChanged, this, [this](int value) {
        session_.sound.setMonitorDecibels(value);
        showMonitor();
    });
    const auto flat = [&](const char* objectName, const QString& name, const QString& tip) {
        auto* made = new QPushButton;
        made->setObjectName(QLatin1String(objectName));
        made->setFlat(true);
        made->setFont(textFont(13));
        made->setAccessibleName(name);
        made->setToolTip(tip);
        made->setMinimumWidth(60);
        made->setMaximumWidth(240);
        made->hide();
        return made;
    };
    take_ = flat("take", tr("Recording"), tr("What is heard is being recorded; press to end it"));
    connect(take_, &QPushButton::clicked, &session.sound, &Sound::stopRecording);
    jobs_ = flat("jobs", tr("Work in the background"), tr("What is worked out in the background; press to stop it"));
    connect(jobs_, &QPushButton::clicked, this, &TransportBar::askJobs);
    layout->addWidget(run_);
    layout->addWidget(position_);
    layout->addWidget(tempo_);
    layout->addStretch(1);
    layout->addLayout(meters);
    layout->addStretch(1);
    layout->addWidget(take_);
    layout->addWidget(jobs_);
    layout->addWidget(monitorText_);
    layout->addWidget(monitor_);
    layout->addWidget(load_);
    connect(&timer_, &QTimer::timeout, this, &TransportBar::refresh);
    timer_.start(kRefreshMilliseconds);
    showMonitor();
    refresh();
}

void TransportBar::paintEvent(QPaintEvent*) {
    QPainter(this).fillRect(rect(), look().rail);
    const QString ink = QStringLiteral("color: %1").arg(look().railInk.name());
    for (QWidget* text : std::initializer_list<QWidget*>{position_, tempo_, monitorText_, load_})
        if (text->styleSheet() != ink) text->setStyleSheet(ink);
    const QString flat = ink + QStringLiteral("; background: transparent; border: none");
    for (QPushButton* button : {take_, jobs_})
        if (button->styleSheet() != flat) button->setStyleSheet(flat);
}

QString TransportBar::tempo() const {
    const double tempo = tempoOf(session_.document.patch(), session_.document.library());
    return tempo > 0.0 ? QString::fromStdString(Scale{Unit::Bpm, 0, 1000, Taper::Linear, {}}.text(tempo))
                       : tr("no clock");
}

void TransportBar::showMonitor() {
    const double level = session_.sound.monitorDecibels();
    monitorText_->setText(level <= -60.0 ? tr("monitor off") : tr("monitor %1 dB").arg(level, 0, 'f', 0));
}

/// Why the monitor is shut or held down, and how to open it.
void TransportBar::tellGuard(Guard guard) {
    switch (guard) {
    case Guard::Howl:
        load_->setText(tr("muted: runs away"));
        load_->setToolTip(
            tr("The sound stayed at the rails for half a second: a loop gain above one. Mend the patch, or "
               "move the monitor to hear it."));
        return;
    case Guard::Dc:
        load_->setText(tr("muted: DC"));
        load_->setToolTip(tr("A voltage that stands still heats loudspeakers. Take it out of what goes to the way out, "
                             "then move the monitor to hear it."));
        return;
    case Guard::Jump:
        load_->setText(tr("held down: a jump"));
        load_->setToolTip(
            tr("The sound became more than 20 dB louder at once and is held down to that. Move the monitor "
               "to let it go."));
        return;
    case Guard::Open:
        return;
    }
}

/// Short work goes unseen; what takes longer says how far it is.
void TransportBar::showJobs() {
    const auto& all = session_.jobs.all();
    const auto shown = std::ranges::find_if(all, [](const auto& job) {
        return !job->stopped() && job->age() > std::chrono::milliseconds(kLongMilliseconds);
    });
    jobs_->setVisible(shown != all.end());
    if (shown == all.end()) return;
    QString text = tr("%1 %2 %").arg((*shown)->name().left(40)).arg(100.0 * (*shown)->done(), 0, 'f', 0);
    if (all.size() > 1) text += tr(" (and %1 more)").arg(all.size() - 1);
    if (text != jobs_->text()) jobs_->setText(text);
}

void TransportBar::askJobs() {
    auto* menu = new QMenu(this);
    menu->setAttribute(Qt::WA_DeleteOnClose);
    for (const auto& job : session_.jobs.all())
        menu->addAction(tr("Stop %1").arg(job->name().left(60)), this, [job] { job->stop(); });
    menu->popup(jobs_->mapToGlobal(QPoint(0, -menu->sizeHint().height())));
}

void TransportBar::refresh() {
    showJobs();
    take_->setVisible(session_.sound.recording());
    if (const auto taken = static_cast<int>(session_.sound.recordedSeconds()); session_.sound.recording())
        take_->setText(QStringLiteral("● %1:%2").arg(taken / 60).arg(taken % 60, 2, 10, QLatin1Char('0')));
    EngineMeters& meters = session_.sound.engine().meters;
    const auto beat = static_cast<long>(std::floor(meters.beats.load()));
    position_->setText(QStringLiteral("%1 · %2").arg(beat / kBeatsPerBar + 1).arg(beat % kBeatsPerBar + 1));
    tempo_->setText(tempo());
    left_->show(meters.peakLeft.exchange(0.0f));
    right_->show(meters.peakRight.exchange(0.0f));
    sinceLimited_ = meters.limited.exchange(false) ? 0 : sinceLimited_ + 1;
    const QString ideal = session_.sound.realCase() ? tr("real case · ") : QString();
    const QString load = ideal + tr("load %1 %").arg(100.0 * static_cast<double>(meters.load.load()), 0, 'f', 0);
    if (const Guard guard = meters.guard.load(); guard != Guard::Open) {
        tellGuard(guard);
        return;
    }
    load_->setText(sinceLimited_ * kRefreshMilliseconds < 1500 ? tr("monitor limited") : load);
    const unsigned dropouts = session_.sound.dropouts();
    load_->setToolTip(tr("%1, %2 dropouts").arg(session_.sound.deviceName()).arg(dropouts));
}

} // namespace lariat
