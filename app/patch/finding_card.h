// A finding as a card: what is wrong, the figure that shows it, and its fixes.
#pragma once

#include "findings/finding.h"

#include <QFrame>

namespace lariat {

class FindingCard : public QFrame {
    Q_OBJECT

  public:
    /// `where` is shown at the top: "Cable 7", "Mixer".
    FindingCard(const QString& where, const Finding& finding, QWidget* parent = nullptr);

  Q_SIGNALS:
    void fixChosen(std::size_t fix);
};

} // namespace lariat
