// Sound: the live engine and the device it plays to.
#pragma once

#include "devices/audio_device.h"
#include "devices/clock_out.h"
#include "devices/live_jam.h"
#include "devices/midi_input.h"
#include "devices/stem_jam.h"
#include "engine/engine.h"
#include "shell/document.h"
#include "shell/listening.h"
#include "timing/stems.h"

#include <QObject>
#include <QTimer>

#include <atomic>
#include <memory>

namespace lariat {

class Sound : public QObject {
    Q_OBJECT

  public:
    explicit Sound(Document& document, QObject* parent = nullptr);
    ~Sound() override;

    [[nodiscard]] Engine& engine() { return engine_; }
    [[nodiscard]] const Engine& engine() const { return engine_; }
    /// Opens a device by name; empty takes the first real one, or the simulated one. If it cannot be opened, the
    /// simulated one takes its place and `message` says why.
    void openDevice(const QString& name);
    void openDevice(std::unique_ptr<AudioDevice> device);
    [[nodiscard]] QString deviceName() const;
    /// Lets go of the device, so that another session may have it; nothing runs until one is opened again.
    void closeDevice();
    /// Frames that the device asks for at a time; takes effect at once. Fewer answer faster and drop out sooner.
    void setBlockFrames(unsigned frames);
    [[nodiscard]] unsigned blockFrames() const { return blockFrames_; }
    /// From an edit to the loudspeaker with blocks of that size: half a block on average until the engine is asked, and
    /// two blocks in the device. lariat-frames measures the first part.
    [[nodiscard]] static double latencyMilliseconds(unsigned blockFrames);

    /// Opens a MIDI input by name; empty: the simulated one. If it cannot be opened, `message` says why.
    void openMidi(const QString& name);
    [[nodiscard]] MidiInput* midi() { return midi_.get(); }
    /// Sends MIDI clock to that port from now on; empty: to none. If it cannot be opened, `message` says why.
    void openClockOut(const QString& name);
    [[nodiscard]] ClockOut* clockOut() { return clockOut_.get(); }
    /// The MIDI clock that comes in.
    [[nodiscard]] ClockMeter::Reading clockIn() const { return clockIn_.read(); }
    /// Start, continue and stop of the MIDI input start and stop the transport.
    void setFollowsStart(bool on) { followsStart_ = on; }
    [[nodiscard]] bool followsStart() const { return followsStart_; }
    /// Plays a message as if it had come in.
    void play(const MidiMessage& message, Engine::Time when = {});

    [[nodiscard]] Listening& listening() { return listening_; }
    [[nodiscard]] const Listening& listening() const { return listening_; }
    [[nodiscard]] unsigned dropouts() const { return device_ ? device_->dropouts() : 0; }

    /// Writes what the device is given from now on into a WAV or FLAC file, through changes of device as well; with
    /// `stems`, each voice and bus into a folder beside it. `message` tells if it cannot.
    void record(const QString& file, bool stems = false);
    void stopRecording();
    [[nodiscard]] bool recording() const { return jam_.on(); }
    /// Seconds since it began; 0 if nothing is recorded.
    [[nodiscard]] double recordedSeconds() const;

    /// Something may come in at the device.
    [[nodiscard]] bool hasInput() const { return device_ && device_->hasInput(); }
    /// Writes what comes in at the device from now on into a WAV or FLAC file, whatever is heard meanwhile. It ends
    /// when the device goes. `message` tells if nothing comes in there.
    void recordIn(const QString& file);
    void stopRecordingIn();
    [[nodiscard]] bool recordingIn() const { return comingIn_.on(); }
    [[nodiscard]] double recordedInSeconds() const;
    /// The sound file that comes in at the simulated interface; empty: nothing. `message` tells if it cannot be read.
    void setSimulatedIn(const QString& file);

    [[nodiscard]] double monitorDecibels() const { return monitorDecibels_; }
    /// -60 dB and below is silence.
    void setMonitorDecibels(double decibels);
    /// With or without what the metal of the case adds: sag, noise, thresholds, drift.
    void setRealCase(bool on);
    [[nodiscard]] bool realCase() const { return realCase_; }
    /// Knobs follow the scenes of the patch.
    void setScenes(bool on);
    [[nodiscard]] bool playsScenes() const { return scenes_; }
    void setRunning(bool running);
    void rewind();

  Q_SIGNALS:
    void message(const QString& text, bool refusal);
    void runningChanged(bool running);
    void recordingChanged(bool on);
    void recorded(const QString& file); ///< a recording was ended, and is whole
    void recordedIn(const QString& file);
    void recordingInChanged(bool on);
    void scenesChanged(bool on);
    void deviceChanged();
    /// A controller (0…127) was moved to a value (0…127).
    void controllerMoved(int number, int value);
    /// A message was played, by hand or from a port, at that time.
    void played(const MidiMessage& message, Engine::Time when);

  private:
    void watch();
    void follow();
    void endJam();
    void endIn();
    bool begin(LiveJam& jam, const QString& file);
    [[nodiscard]] AudioSettings settings(const QString& device) const;
    QString recordStems(const QString& file);
    void endStems();
    void listenToStems();

    Document& document_;
    Listening listening_;
    Engine engine_;
    std::unique_ptr<MidiInput> midi_;
    ClockMeter clockIn_;
    std::unique_ptr<ClockOut> clockOut_;
    bool followsStart_ = true;
    unsigned blockFrames_ = 512;
    std::unique_ptr<AudioDevice> device_;
    QTimer watcher_;
    double monitorDecibels_ = -18.0;
    bool realCase_ = false;
    bool scenes_ = false;
    QString recordingTo_;
    QString stemsTo_; ///< their folder
    LiveJam jam_;
    LiveJam comingIn_;
    QString comingInTo_;
    std::uint64_t comingInStart_ = 0;
    std::vector<float> simulatedIn_;
    std::unique_ptr<StemJam> stems_;
    std::vector<StemOutlet> outlets_; ///< that are recorded
    std::uint64_t jamStart_ = 0;      ///< frames handed to devices before it
};

} // namespace lariat
