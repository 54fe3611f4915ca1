#include "bench/recordings.h"

#include "look/text.h"
#include "shell/finder.h"
#include "widgets/file_dialog.h"

#include <QFileDialog>

namespace lariat {
namespace {

constexpr int kTellMilliseconds = 100;

} // namespace

Recordings::Recordings(const Session& session, AskedPanel& panel) : QObject(&panel), session_(session), panel_(panel) {
    connect(&panel_, &AskedPanel::addRecordingWanted, this, &Recordings::choose);
    connect(&panel_, &AskedPanel::readingWanted, this, &Recordings::read);
    connect(&panel_, &AskedPanel::recordInWanted, this, &Recordings::recordIn);
    connect(&session_.sound, &Sound::recorded, this, [this](const QString& file) { last_ = file; });
    connect(&session_.sound, &Sound::recordedIn, this, &Recordings::add);
    connect(&session_.sound, &Sound::recordingInChanged, this, [this](bool on) {
        panel_.showRecordingIn(on ? std::optional(0.0) : std::nullopt);
        on ? comingIn_.start() : comingIn_.stop();
    });
    comingIn_.setInterval(kTellMilliseconds);
    connect(&comingIn_, &QTimer::timeout, this, [this] { panel_.showRecordingIn(session_.sound.recordedInSeconds()); });
}

void Recordings::choose() {
    QString file;
    if (!last_.isEmpty()) { // what was recorded last is asked of most often
        Finder finder(tr("Ask of a recording"), tr("Type to choose"), panel_.window());
        bool other = false;
        finder.add(tr("The last one, %1").arg(last_.section(QLatin1Char('/'), -1)), [&] { file = last_; });
        finder.add(tr("Another file…"), [&] { other = true; });
        finder.exec();
        if (!other && file.isEmpty()) return;
    }
    if (file.isEmpty())
        file = QFileDialog::getOpenFileName(panel_.window(), tr("Ask of a recording"), {},
                                            tr("Sound (*.wav *.flac *.aif *.aiff)"));
    if (!file.isEmpty()) add(file);
}

void Recordings::add(const QString& file) {
    Recorded recorded;
    recorded.file = std::filesystem::path(file.toStdString());
    read(recorded);
}

/// Reads it in the background; one with an id takes the place of how it was read before.
void Recordings::read(const Recorded& wanted) {
    if (const auto before = reading_.find(wanted.id); before != reading_.end()) before->second->stop();
    auto job = session_.jobs.start(
        tr("Reading %1").arg(QString::fromStdString(wanted.file.filename().string())), this,
        [wanted](const Progress& progress) {
            FileOptions how = wanted.how;
            how.progress = [&](double done) { return progress(done); };
            return readTrack(wanted.file, how);
        },
        [this, wanted](Result<Trace> read) {
            reading_.erase(wanted.id);
            if (!read) {
                Q_EMIT message(said(read.error()), true);
                panel_.refresh(); // it stays as it was read before
                return;
            }
            Recorded recorded = wanted;
            recorded.trace = std::make_shared<const Trace>(std::move(*read));
            wanted.id != 0 ? panel_.changeRecording(std::move(recorded)) : panel_.addRecording(std::move(recorded));
        });
    if (wanted.id != 0) reading_[wanted.id] = std::move(job);
}

void Recordings::recordIn(bool on) {
    if (!on) return session_.sound.stopRecordingIn();
    panel_.showRecordingIn({}); // until it does
    const QString file = askWhereToSave(panel_.window(), tr("Record what comes in"), tr("real case.wav"),
                                        tr("Sound (*.wav *.flac)"), {QStringLiteral(".wav"), QStringLiteral(".flac")});
    if (!file.isEmpty()) session_.sound.recordIn(file);
}

} // namespace lariat
