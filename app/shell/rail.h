// The rail at the left: the places in the order of the work.
#pragma once

#include "shell/place.h"

#include <QAbstractButton>
#include <QButtonGroup>
#include <QFrame>

namespace lariat {

class Rail : public QFrame {
    Q_OBJECT

  public:
    explicit Rail(const std::vector<PlaceEntry>& places, QWidget* parent = nullptr);
    void setCurrent(int place);

  Q_SIGNALS:
    void chosen(int place);

  protected:
    void paintEvent(QPaintEvent* event) override;

  private:
    QButtonGroup buttons_;
};

} // namespace lariat
