// The recordings that the Bench is asked of: chosen, read in the background, read otherwise, and taken in live.
#pragma once

#include "bench/asked_panel.h"

#include <QTimer>

#include <map>

namespace lariat {

class Recordings : public QObject {
    Q_OBJECT

  public:
    /// Lives as long as the panel whose list it fills.
    Recordings(const Session& session, AskedPanel& panel);

    /// Reads a sound file and adds it; `message` tells if it cannot be read.
    void add(const QString& file);

  Q_SIGNALS:
    void message(const QString& text, bool refusal);

  private:
    void choose();
    void read(const Recorded& wanted);
    void recordIn(bool on);

    Session session_;
    AskedPanel& panel_;
    std::map<int, std::shared_ptr<Job>> reading_; ///< those that are read anew, by id
    QTimer comingIn_;                             ///< the seconds that were recorded
    QString last_;                                ///< that was recorded
};

} // namespace lariat
