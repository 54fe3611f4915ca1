// What an empty chart offers: the ways to begin, as buttons.
#pragma once

#include <QFrame>

namespace lariat {

class EmptyChart : public QFrame {
    Q_OBJECT

  public:
    /// The buttons trigger the window's actions of these names, or open its menu of shipped patches.
    explicit EmptyChart(QWidget* parent = nullptr);
};

} // namespace lariat
