// Two sounds over one another, as outlines at one loudness and as thirds of octaves.
#pragma once

#include "log/heard.h"

#include <QWidget>

#include <optional>

namespace lariat {

class PairPicture : public QWidget {
    Q_OBJECT

  public:
    explicit PairPicture(QWidget* parent = nullptr);
    void show(std::optional<Thumb> before, std::optional<Thumb> after);
    [[nodiscard]] QSize sizeHint() const override { return {400, 128}; }

  protected:
    void paintEvent(QPaintEvent* event) override;

  private:
    std::optional<Thumb> before_;
    std::optional<Thumb> after_;
};

} // namespace lariat
