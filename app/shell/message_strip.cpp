#include "shell/message_strip.h"

#include "look/fonts.h"
#include "shell/theme.h"

#include <QPushButton>

namespace lariat {
namespace {

constexpr int kShownMilliseconds = 6000;

} // namespace

MessageStrip::MessageStrip(QWidget* parent) : QFrame(parent) {
    setObjectName(QStringLiteral("message"));
    auto* layout = new QHBoxLayout(this);
    layout->setContentsMargins(16, 6, 10, 6);
    label_ = new QLabel;
    label_->setFont(textFont(13));
    label_->setWordWrap(true);
    label_->setTextFormat(Qt::PlainText);
    layout->addWidget(label_, 1);
    buttons_ = new QHBoxLayout;
    layout->addLayout(buttons_);
    leave_.setSingleShot(true);
    connect(&leave_, &QTimer::timeout, this, &QWidget::hide);
    hide();
}

void MessageStrip::say(const QString& text, bool refusal, const std::vector<Choice>& choices) {
    const Look& l = look();
    setStyleSheet(QStringLiteral("#message { background: %1; border-top: 2px solid %2; }")
                      .arg(refusal ? l.alarmGround.name() : l.card.name(), refusal ? l.alarm.name() : l.accent.name()));
    label_->setText(text);
    while (QLayoutItem* item = buttons_->takeAt(0)) {
        item->widget()->deleteLater();
        delete item;
    }
    const auto add = [&](const QString& name, const std::function<void()>& run) {
        auto* button = new QPushButton(name);
        connect(button, &QPushButton::clicked, this, [this, run] {
            hide();
            if (run) run();
        });
        buttons_->addWidget(button);
    };
    for (const auto& [name, run] : choices) add(name, run);
    if (choices.empty() && refusal) add(tr("Close"), {});
    show();
    refusal || !choices.empty() ? leave_.stop() : leave_.start(kShownMilliseconds);
}

} // namespace lariat
