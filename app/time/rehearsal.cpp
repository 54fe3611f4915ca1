#include "time/rehearsal.h"

#include "engine/automation.h"
#include "look/fonts.h"
#include "look/text.h"
#include "shell/theme.h"
#include "widgets/frames.h"

#include <QKeyEvent>
#include <QPainter>

#include <algorithm>
#include <cmath>

namespace lariat {
namespace {

/// The largest size at which a text fits.
QFont fitting(const QString& text, qreal width, int largest, bool strong) {
    int pixels = largest;
    while (pixels > 16 && QFontMetricsF(textFont(pixels, strong)).horizontalAdvance(text) > width) pixels -= 2;
    return textFont(pixels, strong);
}

} // namespace

Rehearsal::Rehearsal(const Session& session, QWidget* parent) : QWidget(parent, Qt::Window), session_(session) {
    setObjectName(QStringLiteral("rehearsal"));
    setWindowTitle(tr("Rehearse"));
    setAttribute(Qt::WA_DeleteOnClose);
    connect(&session_.document, &Document::replaced, this, &QWidget::close);
    connect(&frames_, &QTimer::timeout, this, [this] {
        setAccessibleDescription(QStringLiteral("%1. %2 %3").arg(sceneText(), moveLine(), countText()));
        update();
    });
    frames_.start(kBeatFrame);
}

QString Rehearsal::sceneText() const {
    const auto& scenes = session_.document.patch().scenes;
    const auto [scene, start] = sceneAt(scenes, beat());
    if (scene < 0) return scenes.empty() ? tr("no scenes") : tr("the end");
    const Scene& now = scenes[static_cast<std::size_t>(scene)];
    const int bar = static_cast<int>((beat() - start) / kBeatsPerBar) + 1;
    return tr("%1 · bar %2 of %3").arg(q(now.name)).arg(bar).arg(now.bars * now.repeats);
}

QString Rehearsal::moveLine() const {
    const Patch& patch = session_.document.patch();
    const NextMove next = nextMove(patch.scenes, beat());
    if (!next.move) return tr("no move any more");
    const QStringList hands{tr("left"), tr("right"), tr("foot")};
    return QStringLiteral("%1: %2").arg(hands[static_cast<int>(next.move->hand)],
                                        q(moveText(*next.move, patch, session_.document.library())));
}

QString Rehearsal::countText() const {
    const NextMove next = nextMove(session_.document.patch().scenes, beat());
    if (!next.move) return {};
    if (next.beats > 0.0) return tr("in %n beat(s)", nullptr, static_cast<int>(std::ceil(next.beats)));
    const int left = static_cast<int>(std::ceil(next.move->beats + next.beats));
    return tr("now, %n beat(s) long", nullptr, std::max(1, left));
}

void Rehearsal::paintEvent(QPaintEvent*) {
    QPainter painter(this);
    const Look& l = look();
    const NextMove next = nextMove(session_.document.patch().scenes, beat());
    const bool now = next.move && next.beats <= 0.0;
    painter.fillRect(rect(), now ? l.accent : l.paper);
    painter.setPen(now ? l.card : l.ink);
    const QRectF area = QRectF(rect()).adjusted(48, 36, -48, -36);
    const auto line = [&](qreal top, qreal height, const QString& text, int largest, bool strong) {
        painter.setFont(fitting(text, area.width(), largest, strong));
        painter.drawText(QRectF(area.left(), area.top() + top * area.height(), area.width(), height * area.height()),
                         Qt::AlignCenter, text);
    };
    line(0.0, 0.18, sceneText(), height() / 10, false);
    line(0.2, 0.4, moveLine(), height() / 5, true);
    line(0.62, 0.26, countText(), height() / 5, true);
    painter.setPen(now ? l.card : l.softInk);
    line(0.92, 0.08, tr("Space starts and stops · Escape goes back"), 18, false);
    if (!next.move || now || next.beats > 8.0) return;
    // The last eight beats as blocks that go out.
    const int left = static_cast<int>(std::ceil(next.beats));
    for (int b = 0; b < left; ++b)
        painter.fillRect(QRectF(area.center().x() - 4 * 44 + b * 44, area.top() + 0.87 * area.height(), 32, 10),
                         l.accent);
}

void Rehearsal::keyPressEvent(QKeyEvent* event) {
    if (event->key() == Qt::Key_Escape) {
        close();
    } else if (event->key() == Qt::Key_Space) {
        session_.sound.setRunning(!session_.sound.engine().running());
    } else if (event->key() == Qt::Key_Backspace || event->key() == Qt::Key_Home) {
        session_.sound.rewind();
    } else {
        QWidget::keyPressEvent(event);
    }
}

void Rehearsal::mousePressEvent(QMouseEvent*) {
    session_.sound.setRunning(!session_.sound.engine().running());
}

} // namespace lariat
