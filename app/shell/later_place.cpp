#include "shell/later_place.h"

#include "look/fonts.h"

#include <QLabel>
#include <QVBoxLayout>

namespace lariat {

LaterPlace::LaterPlace(const QString& question, const QString& text, QWidget* parent) : QWidget(parent) {
    auto* layout = new QVBoxLayout(this);
    layout->setContentsMargins(48, 48, 48, 48);
    auto* title = new QLabel(question);
    title->setFont(textFont(22, true));
    auto* body = new QLabel(text);
    body->setFont(textFont(15));
    body->setWordWrap(true);
    body->setMaximumWidth(560);
    layout->addWidget(title);
    layout->addWidget(body);
    layout->addStretch();
}

} // namespace lariat
