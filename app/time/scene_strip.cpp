#include "time/scene_strip.h"

#include "engine/automation.h"
#include "look/fonts.h"
#include "look/text.h"
#include "shell/finder.h"
#include "shell/theme.h"
#include "time/faint.h"
#include "widgets/frames.h"

#include <QHelpEvent>
#include <QInputDialog>
#include <QMouseEvent>
#include <QPainter>
#include <QToolTip>

#include <algorithm>
#include <cmath>
#include <utility>

namespace lariat {
namespace {

constexpr qreal kHead = 92; ///< for what the rows are
constexpr qreal kScene = 28;
constexpr qreal kHandRow = 20;
constexpr qreal kTop = 4;

} // namespace

SceneStrip::SceneStrip(const Session& session, QWidget* parent) : QWidget(parent), session_(session) {
    setObjectName(QStringLiteral("scenes"));
    setFocusPolicy(Qt::StrongFocus);
    setAccessibleName(tr("Scenes and hands"));
    setSizePolicy(QSizePolicy::Expanding, QSizePolicy::Fixed);
    connect(&session_.document, &Document::replaced, this, [this] {
        chosen_ = chosenMove_ = -1;
        dragged_ = -1;
        grip_.reset();
    });
    connect(&session_.document, &Document::changed, this, &SceneStrip::refresh);
    connect(&frames_, &QTimer::timeout, this, [this] {
        const double beat = session_.sound.engine().meters.beats.load();
        if (beat == painted_) return;
        update(QRectF(xOf(painted_) - 3, 0, 6, height()).toAlignedRect());
        update(QRectF(xOf(beat) - 3, 0, 6, height()).toAlignedRect());
    });
    refresh();
}

void SceneStrip::refresh() {
    const Patch& patch = session_.document.patch();
    warnings_ = checkScenes(patch, session_.document.library(), session_.document.housing());
    chosen_ = std::min(chosen_, static_cast<int>(patch.scenes.size()) - 1);
    const int moves = chosen_ < 0 ? 0 : static_cast<int>(patch.scenes[static_cast<std::size_t>(chosen_)].moves.size());
    if (chosenMove_ >= moves) chosenMove_ = -1;
    if (grip_ && (grip_->scene >= static_cast<int>(patch.scenes.size()) ||
                  grip_->move >= static_cast<int>(patch.scenes[static_cast<std::size_t>(grip_->scene)].moves.size())))
        grip_.reset(); // what the hand held is gone
    QStringList names;
    for (const Scene& scene : patch.scenes) names << q(scene.name);
    setAccessibleDescription(names.join(QStringLiteral(", ")));
    setVisible(!patch.scenes.empty());
    updateGeometry();
    update();
}

QSize SceneStrip::sizeHint() const {
    return {400, static_cast<int>(kTop + kScene + 3 * kHandRow + 6)};
}

void SceneStrip::choose(int scene) {
    if (scene == chosen_) return;
    chosen_ = scene;
    chosenMove_ = -1;
    update();
    Q_EMIT chosenChanged();
}

qreal SceneStrip::xOf(double beat) const {
    const double whole = std::max(1.0, beatsOf(session_.document.patch().scenes));
    return kHead + std::clamp(beat / whole, 0.0, 1.0) * (width() - kHead - 12);
}

double SceneStrip::startOf(std::size_t scene) const {
    double start = 0.0;
    for (std::size_t s = 0; s < scene; ++s) start += session_.document.patch().scenes[s].beats();
    return start;
}

QRectF SceneStrip::sceneBox(std::size_t scene) const {
    const auto& scenes = session_.document.patch().scenes;
    if (scene >= scenes.size()) return {};
    const qreal left = xOf(startOf(scene));
    return {left, kTop, xOf(startOf(scene) + scenes[scene].beats()) - left - 2, kScene};
}

QRectF SceneStrip::moveBox(std::size_t scene, std::size_t move) const {
    const auto& scenes = session_.document.patch().scenes;
    if (scene >= scenes.size() || move >= scenes[scene].moves.size()) return {};
    const Move& one = scenes[scene].moves[move];
    const double start = startOf(scene) + one.start;
    const qreal left = xOf(start);
    return {left, kTop + kScene + 3 + kHandRow * static_cast<int>(one.hand),
            std::max(4.0, xOf(start + one.beats) - left), kHandRow - 3};
}

int SceneStrip::sceneUnder(const QPointF& at) const {
    for (std::size_t s = 0; s < session_.document.patch().scenes.size(); ++s) {
        const QRectF box = sceneBox(s);
        if (at.x() >= box.left() && at.x() < box.right() + 2) return static_cast<int>(s);
    }
    return -1;
}

void SceneStrip::paintEvent(QPaintEvent*) {
    QPainter painter(this);
    const Look& l = look();
    painter.fillRect(rect(), l.panel);
    const Patch& patch = session_.document.patch();
    painter.setFont(textFont(13));
    painter.setPen(l.softInk);
    const QStringList rows{tr("left"), tr("right"), tr("foot")};
    painter.drawText(QRectF(16, kTop, kHead - 20, kScene), Qt::AlignVCenter, tr("Scenes"));
    for (int h = 0; h < 3; ++h)
        painter.drawText(QRectF(16, kTop + kScene + 1 + kHandRow * h, kHead - 20, kHandRow), Qt::AlignVCenter, rows[h]);
    const double beat = session_.sound.engine().meters.beats.load();
    const auto [now, since] = sceneAt(patch.scenes, beat);
    const bool plays = session_.sound.playsScenes();
    for (std::size_t s = 0; s < patch.scenes.size(); ++s) {
        const Scene& scene = patch.scenes[s];
        const QRectF box = sceneBox(s);
        const bool here = plays && static_cast<int>(s) == now;
        painter.setPen(
            QPen(static_cast<int>(s) == chosen_ ? l.accent : l.line, static_cast<int>(s) == chosen_ ? 2 : 1));
        painter.setBrush(here ? faint(l.accent, l.dark ? 90 : 60) : l.card);
        painter.drawRect(box.adjusted(0.5, 0.5, -0.5, -0.5));
        const bool warned = std::ranges::count(warnings_, static_cast<int>(s), &SceneWarning::scene) > 0;
        painter.setPen(warned ? l.alarm : l.ink);
        painter.setFont(textFont(13, here));
        QString text = tr("%1 · %n bar(s)", nullptr, scene.bars).arg(q(scene.name));
        if (scene.repeats > 1) text += tr(" × %1").arg(scene.repeats);
        painter.drawText(box.adjusted(6, 0, -4, 0), Qt::AlignVCenter,
                         painter.fontMetrics().elidedText(text, Qt::ElideRight, static_cast<int>(box.width()) - 10));
        for (std::size_t m = 0; m < scene.moves.size(); ++m) {
            const QRectF one = moveBox(s, m);
            const bool held = static_cast<int>(s) == chosen_ && static_cast<int>(m) == chosenMove_;
            painter.setPen(QPen(held ? l.accent : l.kind(SignalKind::Audio), held ? 2 : 1));
            painter.setBrush(faint(l.kind(SignalKind::Audio), 40));
            painter.drawRect(one.adjusted(0.5, 0.5, -0.5, -0.5));
            painter.setPen(l.ink);
            painter.setFont(textFont(13));
            const QString what = q(moveText(scene.moves[m], patch, session_.document.library()));
            if (one.width() > 40)
                painter.drawText(
                    one.adjusted(4, -1, -2, 0), Qt::AlignVCenter,
                    painter.fontMetrics().elidedText(what, Qt::ElideRight, static_cast<int>(one.width()) - 6));
        }
    }
    if (grip_) {
        const double start = startOf(static_cast<std::size_t>(grip_->scene)) + grip_->draft.start;
        const QRectF draft(xOf(start), kTop + kScene + 3 + kHandRow * static_cast<int>(grip_->draft.hand),
                           std::max(3.0, xOf(start + grip_->draft.beats) - xOf(start)), kHandRow - 3);
        painter.setPen(QPen(l.accent, 2));
        painter.setBrush(faint(l.accent, 60));
        painter.drawRect(draft);
    }
    if (dragged_ >= 0 && droppedAt_ >= 0) {
        const qreal x = droppedAt_ < static_cast<int>(patch.scenes.size())
                            ? sceneBox(static_cast<std::size_t>(droppedAt_)).left() - 1
                            : xOf(1e12);
        painter.fillRect(QRectF(x - 1, kTop, 3, kScene), l.accent);
    }
    painted_ = beat;
    if (!plays) return;
    painter.fillRect(QRectF(xOf(beat) - 1, kTop, 2, height() - kTop - 4), l.ink);
}

std::optional<Hand> SceneStrip::handAt(const QPointF& at) {
    const qreal row = (at.y() - kTop - kScene - 1) / kHandRow;
    if (row < 0.0 || row >= 3.0) return std::nullopt;
    return static_cast<Hand>(static_cast<int>(row));
}

QPointF SceneStrip::spot(std::size_t scene, double beat, Hand hand) const {
    return {xOf(startOf(scene) + beat), kTop + kScene + 1 + kHandRow * (static_cast<int>(hand) + 0.5)};
}

/// In the scene's own beats, on its grid, and within it.
double SceneStrip::beatAt(int scene, const QPointF& at, bool fine) const {
    const auto& scenes = session_.document.patch().scenes;
    const double whole = std::max(1.0, beatsOf(scenes));
    const double song = (at.x() - kHead) / std::max(1.0, width() - kHead - 12.0) * whole;
    const double grid = fine ? 0.25 : 1.0;
    const double beat = std::round((song - startOf(static_cast<std::size_t>(scene))) / grid) * grid;
    return std::clamp(beat, 0.0, scenes[static_cast<std::size_t>(scene)].beats());
}

void SceneStrip::mousePressEvent(QMouseEvent* event) {
    if (event->button() != Qt::LeftButton) return;
    const int scene = sceneUnder(event->position());
    choose(scene);
    dragged_ = event->position().y() < kTop + kScene ? scene : -1;
    droppedAt_ = -1;
    grip(event->position(), event->modifiers().testFlag(Qt::AltModifier));
}

void SceneStrip::grip(const QPointF& at, bool fine) {
    constexpr qreal kEnd = 6; // pixels of a move's end
    grip_.reset();
    chosenMove_ = -1;
    const auto hand = handAt(at);
    if (chosen_ < 0 || !hand) return update();
    const auto scene = static_cast<std::size_t>(chosen_);
    const Scene& there = session_.document.patch().scenes[scene];
    for (std::size_t m = 0; m < there.moves.size(); ++m) {
        const QRectF box = moveBox(scene, m);
        if (!box.adjusted(-2, -1, 3, 1).contains(at)) continue;
        chosenMove_ = static_cast<int>(m);
        grip_ = Grip{chosen_, chosenMove_, at.x() > box.right() - kEnd && box.width() > 2 * kEnd,
                     beatAt(chosen_, at, fine), there.moves[m]};
        return update();
    }
    const double beat = beatAt(chosen_, at, fine);
    Move draft;
    draft.start = beat;
    draft.beats = 0.0;
    draft.hand = *hand;
    grip_ = Grip{chosen_, -1, false, beat, std::move(draft)};
    update();
}

void SceneStrip::mouseMoveEvent(QMouseEvent* event) {
    if (grip_) return draw(event->position(), event->modifiers().testFlag(Qt::AltModifier));
    if (dragged_ < 0) return;
    const int over = sceneUnder(event->position());
    if (over < 0) return;
    const QRectF box = sceneBox(static_cast<std::size_t>(over));
    const int at = event->position().x() < box.center().x() ? over : over + 1;
    droppedAt_ = at == dragged_ || at == dragged_ + 1 ? -1 : at;
    update();
}

void SceneStrip::draw(const QPointF& at, bool fine) {
    Grip& g = *grip_;
    const Scene& scene = session_.document.patch().scenes[static_cast<std::size_t>(g.scene)];
    const double beat = beatAt(g.scene, at, fine);
    if (g.move < 0) {
        g.draft.start = std::min(g.from, beat);
        g.draft.beats = std::abs(beat - g.from);
    } else {
        const Move& before = scene.moves[static_cast<std::size_t>(g.move)];
        if (g.end) {
            g.draft.beats = std::max(fine ? 0.25 : 1.0, beat - before.start);
        } else {
            g.draft.start = std::clamp(before.start + beat - g.from, 0.0, scene.beats() - before.beats);
            g.draft.hand = handAt(at).value_or(g.draft.hand);
        }
    }
    update();
}

void SceneStrip::mouseReleaseEvent(QMouseEvent*) {
    if (grip_) letGo();
    const int from = dragged_;
    const int to = droppedAt_;
    dragged_ = droppedAt_ = -1;
    if (from >= 0 && to >= 0) moveScene(from, to > from ? to - 1 : to);
    update();
}

void SceneStrip::letGo() {
    const Grip done = *grip_;
    grip_.reset();
    const auto& scenes = session_.document.patch().scenes;
    if (done.move < 0) {
        if (done.draft.beats > 0.0) askForKnob(done.scene, done.draft);
        return;
    }
    const Move& before = scenes[static_cast<std::size_t>(done.scene)].moves[static_cast<std::size_t>(done.move)];
    if (done.draft == before) return;
    put(done.scene, done.move, done.draft, tr("draw a move"));
}

/// One move of a scene is put in, replaced, or taken out.
void SceneStrip::put(int scene, int move, const std::optional<Move>& wanted, const QString& name) {
    std::vector<Scene> scenes = session_.document.patch().scenes;
    if (scene < 0 || scene >= static_cast<int>(scenes.size())) return; // it went while the hand was busy
    auto& moves = scenes[static_cast<std::size_t>(scene)].moves;
    if (move >= static_cast<int>(moves.size())) return;
    if (move < 0 && wanted)
        moves.push_back(*wanted);
    else if (wanted)
        moves[static_cast<std::size_t>(move)] = *wanted;
    else
        moves.erase(moves.begin() + move);
    session_.document.apply({SetScenes{std::move(scenes)}}, name);
}

/// Which knob, and where to: the move begins where the knob stands by then.
void SceneStrip::askForKnob(int scene, Move move) {
    const Patch patch = session_.document.patch(); // another one may be open when the question is answered
    const Library& library = session_.document.library();
    Finder finder(tr("What does the hand turn?"), tr("Type a part of the knob's or post's name"), window());
    std::optional<std::pair<std::string, KnobInfo>> chosen;
    for (const Post& post : patch.posts)
        for (const KnobInfo& knob : library.part(post)->knobs)
            if (knob.scale.taper != Taper::Switch)
                finder.add(q(post.name) + QLatin1Char(' ') + q(knob.name), [&chosen, id = post.id, knob] {
                    chosen = {id, knob};
                });
    bool other = false;
    const auto watch = connect(&session_.document, &Document::replaced, this, [&other] { other = true; });
    finder.exec();
    if (!chosen || other) {
        disconnect(watch);
        return;
    }
    const auto& [post, knob] = *chosen;
    double from = knobValue(*patch.post(post), knob);
    for (int s = 0; s <= scene; ++s) { // settings and moves up to there
        const Scene& one = patch.scenes[static_cast<std::size_t>(s)];
        if (const auto set = one.setting.find(post); set != one.setting.end())
            if (const auto value = set->second.find(knob.id); value != set->second.end()) from = value->second;
        for (const Move& other : one.moves)
            if (other.post == post && other.knob == knob.id && (s < scene || other.start < move.start)) from = other.to;
    }
    bool ok = false;
    const QString text = QInputDialog::getText(
        window(), q(patch.post(post)->name) + QLatin1Char(' ') + q(knob.name),
        tr("It stands at %1 by then. Where does the hand turn it to?").arg(q(knob.scale.text(from))), QLineEdit::Normal,
        q(knob.scale.text(from)), &ok);
    disconnect(watch);
    if (!ok || other) return;
    const auto to = knob.scale.parse(text.toStdString());
    if (!to) {
        Q_EMIT refused(tr("“%1” is no setting of %2: it goes from %3 to %4.")
                           .arg(text.left(40), q(knob.name), q(knob.scale.text(knob.scale.min)),
                                q(knob.scale.text(knob.scale.max))));
        return;
    }
    move.post = post;
    move.knob = knob.id;
    move.from = from;
    move.to = *to;
    put(scene, -1, move, tr("draw a move"));
}

void SceneStrip::mouseDoubleClickEvent(QMouseEvent*) {
    Q_EMIT writeWanted();
}

void SceneStrip::moveScene(int from, int to) {
    std::vector<Scene> scenes = session_.document.patch().scenes;
    if (from >= static_cast<int>(scenes.size()) || to < 0 || to >= static_cast<int>(scenes.size())) return;
    Scene moved = std::move(scenes[static_cast<std::size_t>(from)]);
    scenes.erase(scenes.begin() + from);
    scenes.insert(scenes.begin() + to, std::move(moved));
    session_.document.apply({SetScenes{std::move(scenes)}}, tr("move a scene"));
    choose(to);
}

void SceneStrip::keyPressEvent(QKeyEvent* event) {
    const int count = static_cast<int>(session_.document.patch().scenes.size());
    const bool shift = event->modifiers().testFlag(Qt::ShiftModifier);
    switch (event->key()) {
    case Qt::Key_Left:
    case Qt::Key_Right: {
        const int by = event->key() == Qt::Key_Left ? -1 : 1;
        const int to = std::clamp(chosen_ + by, 0, count - 1);
        return shift && chosen_ >= 0 ? moveScene(chosen_, to) : choose(to);
    }
    case Qt::Key_Delete: {
        if (chosen_ < 0) return;
        if (chosenMove_ >= 0) return put(chosen_, std::exchange(chosenMove_, -1), {}, tr("take a move out"));
        std::vector<Scene> scenes = session_.document.patch().scenes;
        scenes.erase(scenes.begin() + chosen_);
        session_.document.apply({SetScenes{std::move(scenes)}}, tr("take a scene out"));
        return;
    }
    case Qt::Key_Return:
        return Q_EMIT writeWanted();
    default:
        QWidget::keyPressEvent(event);
    }
}

void SceneStrip::showEvent(QShowEvent* event) {
    QWidget::showEvent(event);
    frames_.start(kBeatFrame);
}

void SceneStrip::hideEvent(QHideEvent* event) {
    frames_.stop();
    QWidget::hideEvent(event);
}

bool SceneStrip::event(QEvent* event) {
    if (event->type() != QEvent::ToolTip) return QWidget::event(event);
    const auto* help = static_cast<QHelpEvent*>(event);
    const int scene = sceneUnder(help->pos());
    QStringList texts;
    for (const SceneWarning& warning : warnings_)
        if (warning.scene == scene) texts << said(warning.text);
    texts.isEmpty() ? QToolTip::hideText() : QToolTip::showText(help->globalPos(), texts.join(QLatin1Char('\n')), this);
    return true;
}

} // namespace lariat
