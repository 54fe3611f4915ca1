// One jack in the inspector: its mark, its word, and what is in it.
#pragma once

#include "blocks/block.h"
#include "model/patch.h"

#include <QAbstractButton>
#include <QString>

namespace lariat {

class JackRow : public QAbstractButton {
    Q_OBJECT

  public:
    /// `state` is what the jack is joined to; `used` tells a plug from a free jack.
    JackRow(JackRef jack, SignalKind kind, const QString& name, QString state, bool used, QWidget* parent = nullptr);

    [[nodiscard]] const JackRef& jack() const { return jack_; }
    [[nodiscard]] QSize sizeHint() const override { return {220, 25}; }
    [[nodiscard]] QSize minimumSizeHint() const override { return {120, 25}; }

  protected:
    void paintEvent(QPaintEvent* event) override;

  private:
    JackRef jack_;
    SignalKind kind_;
    QString state_;
    bool used_;
};

} // namespace lariat
