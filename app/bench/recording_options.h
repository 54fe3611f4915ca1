// How a recording is read: which channel, from where on, and what its full scale stands for.
#pragma once

#include "ask/track.h"

#include <QComboBox>
#include <QDoubleSpinBox>
#include <QWidget>

namespace lariat {

/// A sound file that questions are asked of, and how it was read.
struct Recorded {
    int id = 0; ///< given when it is added; it stays, however it is read
    std::filesystem::path file;
    FileOptions how{};
    std::shared_ptr<const Trace> trace{};
};

class RecordingOptions : public QWidget {
    Q_OBJECT

  public:
    explicit RecordingOptions(QWidget* parent = nullptr);

    void show(const Recorded& recorded);
    [[nodiscard]] FileOptions how() const;

  Q_SIGNALS:
    void changed();

  private:
    QComboBox* channel_;
    QDoubleSpinBox* from_;
    QComboBox* volts_;
    bool filling_ = false;
};

} // namespace lariat
