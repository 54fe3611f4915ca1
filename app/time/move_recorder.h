// Recording moves: knobs that are turned while the scenes play, from mouse, wheel, keys or a MIDI controller, become
// moves of the scenes they were turned in, thinned to straight pieces.
#pragma once

#include "shell/session.h"

#include <QObject>

#include <map>
#include <string>
#include <vector>

namespace lariat {

struct TurnedPoint {
    double beat = 0.0;
    double travel = 0.0; ///< fraction
};
/// The fewest of the points whose straight lines stay within a part of the travel of all (Ramer, Douglas, Peucker).
std::vector<TurnedPoint> thinned(const std::vector<TurnedPoint>& points, double within);

class MoveRecorder : public QObject {
    Q_OBJECT

  public:
    explicit MoveRecorder(const Session& session, QObject* parent = nullptr);

    [[nodiscard]] bool on() const { return on_; }
    void start(Hand hand);
    /// What was turned goes into the scenes, as one step.
    void stop();

  Q_SIGNALS:
    void changed();
    void done(const QString& text);
    void refused(const QString& why);

  private:
    using Key = std::pair<std::string, std::string>;
    void watch();
    [[nodiscard]] std::map<Key, double> standing() const;

    Session session_;
    bool on_ = false;
    Hand hand_ = Hand::Right;
    std::map<Key, double> before_;
    std::map<Key, std::vector<TurnedPoint>> turned_;
};

} // namespace lariat
