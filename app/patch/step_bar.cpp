#include "patch/step_bar.h"

#include "library/tie.h"
#include "look/fonts.h"
#include "look/text.h"

#include <QHBoxLayout>
#include <QTimer>

#include <algorithm>

namespace lariat {
namespace {

constexpr int kRefreshMilliseconds = 250;

} // namespace

StepBar::StepBar(const Session& session, Chart& chart, QWidget* parent)
    : QFrame(parent), session_(session), chart_(chart) {
    auto* layout = new QHBoxLayout(this);
    layout->setContentsMargins(16, 6, 16, 6);
    const auto button = [&](const QString& text, const char* name) {
        auto* made = new QPushButton(text);
        made->setObjectName(QString::fromLatin1(name));
        made->setAutoDefault(false);
        return made;
    };
    back_ = button(tr("One row back"), "step-back");
    on_ = button(tr("Next row"), "step-on");
    auto* whole = button(tr("Whole patch"), "step-whole");
    text_ = new QLabel;
    text_->setFont(textFont(13));
    text_->setWordWrap(true);
    text_->setTextFormat(Qt::PlainText);
    layout->addWidget(back_);
    layout->addWidget(on_);
    layout->addWidget(text_, 1);
    layout->addWidget(whole);
    connect(back_, &QPushButton::clicked, this, [this] { go(-1); });
    connect(on_, &QPushButton::clicked, this, [this] { go(1); });
    connect(whole, &QPushButton::clicked, this, [this] { setActive(false); });
    connect(&session_.document, &Document::changed, this, &StepBar::refresh);
    auto* timer = new QTimer(this);
    connect(timer, &QTimer::timeout, this, [this] {
        if (active()) refresh();
    });
    timer->start(kRefreshMilliseconds);
    refresh();
}

void StepBar::setActive(bool active) {
    const auto rows = static_cast<int>(session_.document.patch().cables.size());
    const int chosen = session_.document.patch().row(session_.selection.cable());
    session_.document.setUntilRow(active && rows > 0 ? std::max(1, chosen) : 0);
}

void StepBar::go(int by) {
    const auto rows = static_cast<int>(session_.document.patch().cables.size());
    if (rows == 0) { // the last one was taken out, or its tying undone
        setActive(false);
        return;
    }
    const int row = std::clamp(session_.document.untilRow() + by, 1, rows);
    session_.document.setUntilRow(row);
    session_.selection.chooseCable(session_.document.patch().cables[static_cast<std::size_t>(row - 1)].id);
}

void StepBar::refresh() {
    setVisible(active());
    if (active() != was_) {
        was_ = active();
        Q_EMIT activeChanged(was_);
    }
    const Patch& patch = session_.document.patch();
    const int row = session_.document.untilRow();
    if (row <= 0 || row > static_cast<int>(patch.cables.size())) return;
    const Cable& cable = patch.cables[static_cast<std::size_t>(row - 1)];
    QString text = tr("Row %1 of %2: %3 to %4")
                       .arg(row)
                       .arg(patch.cables.size())
                       .arg(q(tieName(cable.from, patch, session_.document.library())),
                            q(tieName(cable.to, patch, session_.document.library())));
    if (const QString reading = session_.readings.wholeText(cable.from); !reading.isEmpty())
        text += tr(" – you should read %1").arg(reading);
    if (!cable.note.empty()) text += QStringLiteral(". ") + q(cable.note);
    text_->setText(text);
    back_->setEnabled(row > 1);
    on_->setEnabled(row < static_cast<int>(patch.cables.size()));
}

} // namespace lariat
