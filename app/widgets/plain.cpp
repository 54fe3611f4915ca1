#include "widgets/plain.h"

#include "look/fonts.h"

#include <QWidget>

namespace lariat {

QLabel* plainLabel(const QString& text, const QColor& colour, int pixels, bool strong) {
    auto* label = new QLabel(text);
    label->setFont(textFont(pixels, strong));
    label->setWordWrap(true);
    label->setTextFormat(Qt::PlainText);
    label->setStyleSheet(QStringLiteral("color: %1").arg(colour.name()));
    return label;
}

QPushButton* plainButton(const QString& text, const char* name) {
    auto* made = new QPushButton(text);
    made->setObjectName(QString::fromLatin1(name));
    made->setFont(textFont(13));
    made->setAutoDefault(false);
    return made;
}

void emptyLayout(QLayout* layout) {
    while (QLayoutItem* item = layout->takeAt(0)) {
        if (QWidget* widget = item->widget()) {
            widget->hide();
            widget->deleteLater();
        }
        if (QLayout* inner = item->layout()) emptyLayout(inner);
        delete item;
    }
}

} // namespace lariat
