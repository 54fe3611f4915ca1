#include "shell/rail.h"

#include "look/fonts.h"
#include "shell/theme.h"

#include <QPainter>
#include <QVBoxLayout>

namespace lariat {
namespace {

class RailButton : public QAbstractButton {
  public:
    RailButton(const PlaceEntry& place, int number) : keys_(QStringLiteral("Ctrl+%1").arg(number)) {
        setText(place.name);
        setCheckable(true);
        setFixedSize(80, 54);
        setToolTip(place.question + QStringLiteral(" (") + keys_ + QLatin1Char(')'));
        setAccessibleName(place.name);
        setAccessibleDescription(place.question);
        setFocusPolicy(Qt::TabFocus);
    }

  protected:
    void paintEvent(QPaintEvent*) override {
        QPainter painter(this);
        const Look& l = look();
        if (isChecked()) painter.fillRect(rect(), l.paper);
        if (hasFocus()) {
            painter.setPen(QPen(l.accent, 2));
            painter.drawRect(rect().adjusted(1, 1, -1, -1));
        }
        if (isChecked()) painter.fillRect(0, 0, 4, height(), l.accent);
        painter.setPen(isChecked() ? l.ink : l.railInk);
        painter.setFont(textFont(14, isChecked() || underMouse()));
        painter.drawText(rect().adjusted(16, 0, 0, 0), Qt::AlignVCenter, text());
    }

  private:
    QString keys_;
};

} // namespace

Rail::Rail(const std::vector<PlaceEntry>& places, QWidget* parent) : QFrame(parent) {
    auto* layout = new QVBoxLayout(this);
    layout->setContentsMargins(0, 12, 0, 0);
    layout->setSpacing(2);
    for (std::size_t i = 0; i < places.size(); ++i) {
        auto* button = new RailButton(places[i], static_cast<int>(i) + 1);
        button->setObjectName(QStringLiteral("place-") + places[i].id);
        buttons_.addButton(button, static_cast<int>(i));
        layout->addWidget(button);
    }
    layout->addStretch();
    setFixedWidth(80);
    connect(&buttons_, &QButtonGroup::idClicked, this, &Rail::chosen);
}

void Rail::setCurrent(int place) {
    if (QAbstractButton* button = buttons_.button(place)) button->setChecked(true);
}

void Rail::paintEvent(QPaintEvent*) {
    QPainter(this).fillRect(rect(), look().rail);
}

} // namespace lariat
