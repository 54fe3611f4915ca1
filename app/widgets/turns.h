// Takes or recordings heard in turns: from one to another at the start of a bar, all as loud as the quietest of them.
#pragma once

#include "ask/track.h"
#include "shell/session.h"

#include <QObject>
#include <QTimer>

#include <memory>
#include <optional>
#include <vector>

namespace lariat {

class Turns : public QObject {
    Q_OBJECT

  public:
    struct Voice {
        std::shared_ptr<const Patch> patch{};
        std::optional<double> lufs{};             ///< as measured when it was kept
        std::shared_ptr<const Trace> recording{}; ///< instead of a patch; then all of them are recordings
    };
    explicit Turns(const Session& session, QObject* parent = nullptr);
    ~Turns() override;

    /// What is taken turns with; nothing is heard before `play`.
    void set(std::vector<Voice> voices);
    /// Lets that one be heard from the next bar on; at once if nothing of it is heard yet. The transport runs then.
    void play(std::size_t which);
    /// All of them, one after the other, a bar each.
    void takeTurns();
    /// The open patch again, as loud as it was. Recordings have their bars at its tempo.
    void stop();
    [[nodiscard]] std::optional<std::size_t> playing() const { return playing_; }
    /// By how much that one is turned down.
    [[nodiscard]] double decibels(std::size_t which) const;

  Q_SIGNALS:
    void changed(); ///< another one is heard, or none

  private:
    void turn();
    void playRecordings(std::size_t which);
    [[nodiscard]] bool ofRecordings() const { return !voices_.empty() && voices_.front().recording; }
    void loudness(double decibels);

    Session session_;
    std::vector<Voice> voices_;
    std::optional<std::size_t> playing_;
    std::optional<std::size_t> next_;
    bool inTurns_ = false;
    long bar_ = 0;      ///< in which `next_` was asked for
    double down_ = 0.0; ///< what the monitor is turned down by for the one that is heard
    QTimer watch_;
};

} // namespace lariat
