#include "widgets/key_strip.h"

#include "look/fonts.h"
#include "shell/theme.h"
#include "units/pitch.h"

#include <QKeyEvent>
#include <QMouseEvent>
#include <QPainter>

#include <algorithm>
#include <array>
#include <utility>

namespace lariat {
namespace {

constexpr int kOctaves = 3;
constexpr int kWhites = 7 * kOctaves + 1;
constexpr std::array<int, 7> kWhiteSteps = {0, 2, 4, 5, 7, 9, 11};
constexpr int kSoftest = 20; ///< velocity at the top of a key
constexpr qreal kHint = 150; ///< pixels at the left for what the keys do
constexpr qreal kFeet = 96;  ///< and at the right for the feet

bool isBlack(int note) {
    return std::ranges::find(kWhiteSteps, note % 12) == kWhiteSteps.end();
}

/// Semitones above the lowest C shown, for a key of the computer; nothing for any other. What counts is where the key
/// is, so that every layout plays the same; only where that is not told, what is written on it.
std::optional<int> stepOf(const QKeyEvent& event) {
    constexpr int kHomeRow = 38;  // of the scan codes that X11 and Wayland count from 8 on: A, S, D … L
    constexpr int kUpperRow = 24; // Q, W, E …
    constexpr std::array<int, 9> whites = {0, 2, 4, 5, 7, 9, 11, 12, 14};
    constexpr std::array<int, 10> blacks = {-1, 1, 3, -1, 6, 8, 10, -1, 13, 15}; // above which white keys there is one
    if (const auto code = static_cast<int>(event.nativeScanCode()); code > 0) {
        if (code >= kHomeRow && code < kHomeRow + static_cast<int>(whites.size()))
            return whites[static_cast<std::size_t>(code - kHomeRow)];
        if (code >= kUpperRow && code < kUpperRow + static_cast<int>(blacks.size()))
            if (const int step = blacks[static_cast<std::size_t>(code - kUpperRow)]; step >= 0) return step;
        return std::nullopt;
    }
    constexpr std::array<std::pair<int, int>, 18> written = {{{Qt::Key_A, 0},
                                                              {Qt::Key_S, 2},
                                                              {Qt::Key_D, 4},
                                                              {Qt::Key_F, 5},
                                                              {Qt::Key_G, 7},
                                                              {Qt::Key_H, 9},
                                                              {Qt::Key_J, 11},
                                                              {Qt::Key_K, 12},
                                                              {Qt::Key_L, 14},
                                                              {Qt::Key_W, 1},
                                                              {Qt::Key_E, 3},
                                                              {Qt::Key_T, 6},
                                                              {Qt::Key_Z, 8},
                                                              {Qt::Key_Y, 8},
                                                              {Qt::Key_U, 10},
                                                              {Qt::Key_O, 13},
                                                              {Qt::Key_P, 15},
                                                              {0, 0}}};
    for (const auto& [key, step] : written)
        if (key != 0 && key == event.key()) return step;
    return std::nullopt;
}

/// The foot that a key of the computer stands for.
std::optional<KeyStrip::Foot> footOf(const QKeyEvent& event) {
    if (event.key() == Qt::Key_Comma) return KeyStrip::Foot::Latch;
    if (event.key() == Qt::Key_Period) return KeyStrip::Foot::Glide;
    return std::nullopt;
}

/// A name for a key that stays the same until it is let go.
int nameOf(const QKeyEvent& event) {
    return event.nativeScanCode() > 0 ? -static_cast<int>(event.nativeScanCode()) : event.key();
}

} // namespace

KeyStrip::KeyStrip(Sound& sound, QWidget* parent) : QWidget(parent), sound_(sound) {
    setFixedHeight(84);
    setFocusPolicy(Qt::StrongFocus);
    setAccessibleName(tr("Keys"));
    setToolTip(tr("A to L play the white keys, W E T Z U O P the black ones; Page Up and Page Down change the octave, "
                  "1 to 9 the velocity. Comma and full stop are the feet: latch and glide, while they are down."));
}

QRectF KeyStrip::footBox(Foot foot) const {
    return {width() - kFeet - 12, foot == Foot::Latch ? 6.0 : 44.0, kFeet, 34};
}

/// Controllers 64 and 65, as pedals send them.
void KeyStrip::step(Foot foot, bool down) {
    if (down ? !feet_.insert(foot).second : feet_.erase(foot) == 0) return;
    sound_.play(
        {0xB0, static_cast<std::uint8_t>(foot == Foot::Latch ? 64 : 65), static_cast<std::uint8_t>(down ? 127 : 0)});
    update();
}

QRectF KeyStrip::keyBox(int note) const {
    const qreal width = (this->width() - kHint - kFeet - 24) / kWhites;
    const int octave = (note - lowest_) / 12;
    const int step = (note - lowest_) % 12;
    const int whitesBefore = static_cast<int>(std::ranges::count_if(kWhiteSteps, [&](int w) { return w < step; }));
    const qreal left = kHint + width * (7 * octave + whitesBefore);
    if (isBlack(step)) return {left - 0.3 * width, 6, 0.6 * width, 42};
    return {left, 6, width - 1, 72};
}

std::optional<int> KeyStrip::noteAt(const QPointF& at) const {
    std::optional<int> white;
    for (int note = lowest_; note <= lowest_ + 12 * kOctaves; ++note) {
        if (!keyBox(note).contains(at)) continue;
        if (isBlack(note - lowest_)) return note;
        white = note;
    }
    return white;
}

void KeyStrip::press(int note, int velocity) {
    if (note < 0 || note > 127) return;
    if (held_[note]++ == 0) sound_.play({0x90, static_cast<std::uint8_t>(note), static_cast<std::uint8_t>(velocity)});
    update();
}

void KeyStrip::release(int note) {
    const auto it = held_.find(note);
    if (it == held_.end() || --it->second > 0) return;
    held_.erase(it);
    sound_.play({0x80, static_cast<std::uint8_t>(note), 0});
    update();
}

void KeyStrip::releaseAll() {
    for (const auto& [note, fingers] : held_) sound_.play({0x80, static_cast<std::uint8_t>(note), 0});
    held_.clear();
    keys_.clear();
    mouse_.reset();
    for (const Foot foot : {Foot::Latch, Foot::Glide}) step(foot, false);
    update();
}

void KeyStrip::paintEvent(QPaintEvent*) {
    QPainter painter(this);
    const Look& l = look();
    painter.fillRect(rect(), l.panel);
    painter.setFont(textFont(13));
    painter.setPen(hasFocus() ? l.ink : l.softInk);
    painter.drawText(
        QRectF(16, 8, kHint - 28, height() - 16), Qt::TextWordWrap,
        hasFocus() ? tr("Playing from %1, velocity %2").arg(QString::fromStdString(noteName(lowest_))).arg(velocity_)
                   : tr("Click here, then play with A to L"));
    for (const bool black : {false, true})
        for (int note = lowest_; note <= lowest_ + 12 * kOctaves; ++note) {
            if (isBlack(note - lowest_) != black) continue;
            const QRectF box = keyBox(note);
            painter.setPen(QPen(l.line, 1));
            painter.setBrush(held_.contains(note) ? l.accent : black ? l.ink : l.card);
            if (black && l.dark && !held_.contains(note)) painter.setBrush(l.paper);
            painter.drawRect(box);
            if (note % 12 == 0) {
                painter.setPen(l.softInk);
                painter.drawText(box.adjusted(0, 0, 0, -4), Qt::AlignHCenter | Qt::AlignBottom,
                                 QString::fromStdString(noteName(note)));
            }
        }
    for (const Foot foot : {Foot::Latch, Foot::Glide}) {
        const bool down = feet_.contains(foot);
        painter.setPen(QPen(l.line, 1));
        painter.setBrush(down ? l.accent : l.card);
        painter.drawRect(footBox(foot));
        painter.setPen(down ? l.card : l.ink);
        painter.drawText(footBox(foot), Qt::AlignCenter, foot == Foot::Latch ? tr("latch ,") : tr("glide ."));
    }
}

/// The further down a key it is struck, the louder.
int KeyStrip::velocityAt(int note, const QPointF& at) const {
    const QRectF box = keyBox(note);
    return std::clamp(static_cast<int>(kSoftest + (127 - kSoftest) * (at.y() - box.top()) / box.height()), kSoftest,
                      127);
}

void KeyStrip::mousePressEvent(QMouseEvent* event) {
    for (const Foot foot : {Foot::Latch, Foot::Glide})
        if (footBox(foot).contains(event->position())) step(foot, true);
    mouse_ = noteAt(event->position());
    if (!mouse_) return;
    struck_ = event->position().y();
    press(*mouse_, velocityAt(*mouse_, event->position()));
}

/// Along the keys it plays the next one; down a key that is held it presses harder.
void KeyStrip::mouseMoveEvent(QMouseEvent* event) {
    const auto now = noteAt(event->position());
    if (!mouse_) return;
    if (now == mouse_ || !now) {
        const qreal down = (event->position().y() - struck_) / keyBox(*mouse_).height();
        const int pressure = std::clamp(static_cast<int>(127.0 * down), 0, 127);
        if (pressure != std::exchange(pressure_, pressure)) sound_.play({0xD0, static_cast<std::uint8_t>(pressure), 0});
        return;
    }
    const int before = *mouse_;
    mouse_ = now;
    press(*now, velocityAt(*now, event->position()));
    release(before);
}

void KeyStrip::mouseReleaseEvent(QMouseEvent*) {
    for (const Foot foot : {Foot::Latch, Foot::Glide}) step(foot, false);
    if (mouse_) release(*mouse_);
    mouse_.reset();
    if (std::exchange(pressure_, 0) > 0) sound_.play({0xD0, 0, 0});
}

void KeyStrip::keyPressEvent(QKeyEvent* event) {
    if (event->modifiers() != Qt::NoModifier || event->isAutoRepeat()) {
        QWidget::keyPressEvent(event);
        return;
    }
    if (event->key() == Qt::Key_PageUp || event->key() == Qt::Key_PageDown) {
        releaseAll();
        lowest_ = std::clamp(lowest_ + (event->key() == Qt::Key_PageUp ? 12 : -12), 12, 84);
    } else if (event->key() >= Qt::Key_1 && event->key() <= Qt::Key_9) {
        velocity_ = 14 * (event->key() - Qt::Key_0) + 1;
    } else if (const auto foot = footOf(*event)) {
        step(*foot, true);
    } else if (const auto key = stepOf(*event); key && !keys_.contains(nameOf(*event))) {
        keys_[nameOf(*event)] = lowest_ + *key;
        press(lowest_ + *key, velocity_);
    } else {
        QWidget::keyPressEvent(event);
    }
    update();
}

void KeyStrip::keyReleaseEvent(QKeyEvent* event) {
    if (const auto foot = footOf(*event); foot && !event->isAutoRepeat()) step(*foot, false);
    const auto it = keys_.find(nameOf(*event));
    if (event->isAutoRepeat() || it == keys_.end()) return;
    const int note = it->second;
    keys_.erase(it);
    release(note);
}

void KeyStrip::focusOutEvent(QFocusEvent* event) {
    releaseAll(); // a key that is let go elsewhere would sound for ever
    QWidget::focusOutEvent(event);
}

} // namespace lariat
