// Readings: what is measured, live, of the outputs that somebody shows. The chart and every other place ask here, so
// that the same jack reads the same everywhere.
#pragma once

#include "shell/live_trace.h"
#include "shell/sound.h"

#include <QObject>
#include <QTimer>

#include <map>
#include <vector>

namespace lariat {

class Readings : public QObject {
    Q_OBJECT

  public:
    Readings(Document& document, Sound& sound, QObject* parent = nullptr);

    /// `who` shows these outputs, until it says otherwise or goes; two of all of them are measured each frame.
    void want(const QObject* who, std::vector<JackRef> outputs);
    /// What is known of an output; nullptr until it was measured.
    [[nodiscard]] const LiveTrace* trace(const JackRef& output) const;
    /// Its newest picture, or the one that is held.
    [[nodiscard]] std::vector<MinMax> columns(const JackRef& output, int columns) const;
    /// "-5.0…+5.0 V 146.8 Hz · D3"; empty until it was measured.
    [[nodiscard]] QString text(const JackRef& output) const;
    /// All that is measured of it: range, pitch with cents, period, DC, clipping.
    [[nodiscard]] QString wholeText(const JackRef& output) const;

    /// Pictures and figures stand still.
    [[nodiscard]] bool held() const { return held_; }
    void setHeld(bool held);

  Q_SIGNALS:
    /// Something of it that is written or scaled is another now; the picture itself moves all the time.
    void changed(const JackRef& output);
    void heldChanged(bool held);

  private:
    void gather();
    void measure(const JackRef& output);
    void measureSome();

    Document& document_;
    Sound& sound_;
    QTimer frames_;
    std::map<const QObject*, std::vector<JackRef>> wanted_;
    std::vector<JackRef> turn_; ///< all that is wanted, each once
    std::size_t next_ = 0;
    std::map<JackRef, PitchSource> leaders_; ///< what sets the pitch of an output, where another one does
    std::map<JackRef, LiveTrace> traces_;
    bool held_ = false;
    std::map<JackRef, std::vector<MinMax>> pictures_; ///< while they stand still
};

} // namespace lariat
