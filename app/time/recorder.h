// Live recording: what is played by hand goes into the line that is chosen while the pattern plays. One take is one
// step of the history; what is not played over stays, unless rests are to replace it.
//
// When a note was played is told by the clock that steps the sequencer: its edges, as the engine has seen them, against
// the time at which the note came, less the time that sound takes to be heard.
#pragma once

#include "time/line_editor.h"

#include <QObject>
#include <QTimer>

#include <deque>
#include <map>
#include <memory>
#include <set>

namespace lariat {

struct RecordSettings {
    bool replaces = false; ///< steps in which nothing is played become rests; else what is there stays
    int quantize = 100;    ///< per cent of the way to the step
    int countInBars = 1;   ///< of four beats, before it begins
    bool click = true;
};

class Recorder : public QObject {
    Q_OBJECT

  public:
    enum class State { Off, CountIn, On };

    Recorder(const Session& session, LineEditor& editor, QObject* parent = nullptr);
    ~Recorder() override;

    [[nodiscard]] State state() const { return state_; }
    [[nodiscard]] const RecordSettings& settings() const { return settings_; }
    void setSettings(const RecordSettings& settings) { settings_ = settings; }
    /// Beats that are left of the count-in.
    [[nodiscard]] int beatsLeft() const;
    void start();
    void stop();
    [[nodiscard]] int notesTaken() const { return taken_; }

  Q_SIGNALS:
    void changed();
    void refused(const QString& why);
    void done(const QString& text);

  private:
    using Time = Engine::Time;
    struct Began {
        double sample = 0.0; ///< of the clock's tap
        int step = 0;
    };
    /// Where in the line a time lies: a step, and the part of it that has passed.
    struct Place {
        int step = 0;
        double part = 0.0;
        double samples = 1.0; ///< of a step
    };
    struct Held {
        int step = 0;
        double late = 0.0;
        double at = 0.0; ///< samples
    };

    void poll();
    void follow();
    void played(const MidiMessage& message, Time when);
    void strike(int note, int velocity, Time when);
    void letGo(int note, Time when);
    void stepBegins(int step);
    void write(const std::function<void(Track&)>& track, const std::function<void(Lane&)>& lane);
    [[nodiscard]] double sampleAt(Time when) const;
    [[nodiscard]] std::optional<Place> placeAt(double sample) const;
    [[nodiscard]] int next(int step) const;
    [[nodiscard]] int count() const;

    Session session_;
    LineEditor& editor_;
    RecordSettings settings_;
    State state_ = State::Off;
    QTimer timer_;
    LineRef line_;
    int variation_ = 0;
    std::size_t told_ = 0; ///< where the sequencer tells of the line
    JackRef clock_;
    std::shared_ptr<const Tap> tap_;
    std::deque<Began> began_;
    std::deque<double> offsets_; ///< seconds between this clock and the engine's, newest last
    Time origin_{};
    double startBeat_ = 0.0;
    int lastStep_ = -1;
    std::map<int, Held> held_;
    std::set<int> fresh_; ///< steps that were played in this round: they are not cleared when they begin
    int takes_ = 0;
    int taken_ = 0;
};

} // namespace lariat
