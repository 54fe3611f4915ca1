// Knobs that were found: each dial with the arc within which every goal still holds.
#pragma once

#include "plan/seek.h"

#include <QWidget>

#include <vector>

namespace lariat {

class FoundDials : public QWidget {
    Q_OBJECT

  public:
    explicit FoundDials(QWidget* parent = nullptr);

    struct Dial {
        QString name;
        QString value;   ///< "303 ms · 1:14"
        double at = 0.0; ///< parts of the travel
        double low = 0.0;
        double high = 0.0;
        bool ranged = false;
    };
    void show(std::vector<Dial> dials);
    [[nodiscard]] const std::vector<Dial>& dials() const { return dials_; }

    [[nodiscard]] bool hasHeightForWidth() const override { return true; }
    [[nodiscard]] int heightForWidth(int width) const override;
    [[nodiscard]] QSize sizeHint() const override;

  protected:
    void paintEvent(QPaintEvent* event) override;
    void resizeEvent(QResizeEvent* event) override;

  private:
    std::vector<Dial> dials_;
};

} // namespace lariat
