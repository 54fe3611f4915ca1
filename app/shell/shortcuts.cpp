#include "shell/shortcuts.h"

#include <QKeyEvent>

#include <algorithm>
#include <array>
#include <cstring>

namespace lariat {
namespace {

constexpr std::array kShortcuts = {
    // file
    Shortcut{"new", "Ctrl+N"},
    Shortcut{"new-window", "Ctrl+Alt+N"},
    Shortcut{"open", "Ctrl+O"},
    Shortcut{"save", "Ctrl+S"},
    Shortcut{"save-as", "Ctrl+Shift+S"},
    Shortcut{"render", "Ctrl+Shift+F"},
    Shortcut{"preferences", "Ctrl+,"},
    Shortcut{"close", "Ctrl+W"},
    Shortcut{"quit", "Ctrl+Q"},
    // edit
    Shortcut{"undo", "Ctrl+Z"},
    Shortcut{"redo", "Ctrl+Shift+Z"},
    Shortcut{"choose-all", "Ctrl+A"},
    Shortcut{"describe-patch", "Shift+F2"},
    Shortcut{"history", "Ctrl+Shift+H"},
    // view
    Shortcut{"place-stock", "Ctrl+1"},
    Shortcut{"place-plan", "Ctrl+2"},
    Shortcut{"place-patch", "Ctrl+3"},
    Shortcut{"place-time", "Ctrl+4"},
    Shortcut{"place-bench", "Ctrl+5"},
    Shortcut{"place-sheet", "Ctrl+6"},
    Shortcut{"place-log", "Ctrl+7"},
    Shortcut{"back", "Alt+Left"},
    Shortcut{"compact", "Ctrl+K"},
    Shortcut{"normals", "Ctrl+B"},
    Shortcut{"hold-traces", "Ctrl+H"},
    Shortcut{"larger-rows", "Ctrl++"},
    Shortcut{"smaller-rows", "Ctrl+-"},
    Shortcut{"usual-rows", "Ctrl+0"},
    Shortcut{"only-path", "Ctrl+Shift+P"},
    Shortcut{"only-voice", "Ctrl+Shift+O"},
    Shortcut{"whole-patch", "Ctrl+Shift+W"},
    Shortcut{"row-by-row", "Ctrl+Shift+B"},
    Shortcut{"next-row", "Ctrl+Shift+N"},
    Shortcut{"row-back", "Ctrl+Shift+M"},
    Shortcut{"panel-chosen", "Ctrl+Shift+1"},
    Shortcut{"panel-findings", "Ctrl+Shift+2"},
    Shortcut{"panel-settings", "Ctrl+Shift+3"},
    // patch
    Shortcut{"find-part", "Ctrl+E"},
    Shortcut{"another", "Ctrl+Shift+A"},
    Shortcut{"insert", "Ctrl+I"},
    Shortcut{"split", "Ctrl+Shift+T"},
    Shortcut{"move-start", "Ctrl+Shift+Left"},
    Shortcut{"move-end", "Ctrl+Shift+Right"},
    Shortcut{"swap", "Ctrl+Shift+X"},
    Shortcut{"remove-cable", "Del"},
    Shortcut{"row-earlier", "Ctrl+Up"},
    Shortcut{"row-later", "Ctrl+Down"},
    Shortcut{"regroup", "Ctrl+U"},
    Shortcut{"heading", "Ctrl+Shift+R"},
    Shortcut{"describe-post", "F2"},
    Shortcut{"copy-settings", "Ctrl+Shift+C"},
    Shortcut{"paste-settings", "Ctrl+Shift+V"},
    Shortcut{"remove-post", "Ctrl+Del"},
    Shortcut{"order-posts", "Ctrl+Shift+G"},
    Shortcut{"double-voice", "Ctrl+D"},
    Shortcut{"tie", "Ctrl+T"},
    Shortcut{"sheet-pdf", "Ctrl+P"},
    Shortcut{"keep-take", "F6"},
    // steps
    Shortcut{"copy-steps", "Ctrl+C"},
    Shortcut{"paste-steps", "Ctrl+V"},
    Shortcut{"duplicate-steps", "Ctrl+J"},
    Shortcut{"reverse-steps", "Ctrl+Shift+J"},
    Shortcut{"steps-left", "Ctrl+Left"},
    Shortcut{"steps-right", "Ctrl+Right"},
    Shortcut{"octave-up", "Ctrl+PgUp"},
    Shortcut{"octave-down", "Ctrl+PgDown"},
    Shortcut{"thin-steps", "Ctrl+Shift+D"},
    Shortcut{"humanize-steps", "Ctrl+Y"},
    Shortcut{"unknown-steps", "Ctrl+Alt+U"},
    Shortcut{"clear-steps", "Ctrl+Shift+Del"},
    Shortcut{"step-entry", "Ctrl+Return"},
    Shortcut{"record-steps", "Ctrl+R"},
    Shortcut{"write-words", "Ctrl+G"},
    Shortcut{"fit-sustain", "Ctrl+Alt+S"},
    Shortcut{"fit-next", "Ctrl+Alt+E"},
    Shortcut{"steps-larger", "Ctrl+Alt++"},
    Shortcut{"steps-smaller", "Ctrl+Alt+-"},
    Shortcut{"page-back", "Ctrl+Alt+Left"},
    Shortcut{"page-on", "Ctrl+Alt+Right"},
    Shortcut{"pin-jack", "Ctrl+Alt+P"},
    Shortcut{"keep-scene", "Ctrl+Alt+K"},
    Shortcut{"write-scenes", "Ctrl+Alt+W"},
    Shortcut{"chain-variations", "Ctrl+Alt+C"},
    Shortcut{"record-moves", "Ctrl+Alt+R"},
    Shortcut{"rehearse", "F11"},
    Shortcut{"play-scenes", "Ctrl+Alt+Space"},
    // questions
    Shortcut{"ask", "F4"},
    Shortcut{"ask-also", "Shift+F4"},
    Shortcut{"ask-again", "F5"},
    Shortcut{"bench-jack", "Ctrl+Alt+J"},
    Shortcut{"question-shape", "Alt+1"},
    Shortcut{"question-note", "Alt+2"},
    Shortcut{"question-same", "Alt+3"},
    Shortcut{"question-loud", "Alt+4"},
    Shortcut{"question-content", "Alt+5"},
    Shortcut{"question-relate", "Alt+6"},
    Shortcut{"question-better", "Alt+7"},
    Shortcut{"question-real", "Alt+8"},
    // sound
    Shortcut{"run", "Space"},
    Shortcut{"rewind", "Ctrl+Backspace"},
    Shortcut{"tap-tempo", "Ctrl+Shift+Space"},
    Shortcut{"monitor-up", "Ctrl+Shift+Up"},
    Shortcut{"monitor-down", "Ctrl+Shift+Down"},
    Shortcut{"real-case", "Ctrl+Shift+E"},
    Shortcut{"record-sound", "F9"},
    Shortcut{"mute-row", "Ctrl+M"},
    Shortcut{"listen", "Ctrl+L"},
    Shortcut{"mute-voice", "Ctrl+Shift+Y"},
    Shortcut{"solo-voice", "Ctrl+Shift+L"},
    Shortcut{"unmute-all", "Ctrl+Shift+U"},
    Shortcut{"keys", "Ctrl+Shift+K"},
    // help
    Shortcut{"find-command", "Ctrl+F"},
    Shortcut{"reckoner", "F3"},
    Shortcut{"shortcuts", "F1"},
};

/// What text fields do by keys on every platform; the window would otherwise take these for itself.
constexpr std::array kOfText = {
    QKeySequence::DeleteStartOfWord,
    QKeySequence::DeleteEndOfWord,
    QKeySequence::DeleteEndOfLine,
    QKeySequence::DeleteCompleteLine,
    QKeySequence::Delete,
    QKeySequence::Backspace,
    QKeySequence::SelectAll,
    QKeySequence::Undo,
    QKeySequence::Redo,
    QKeySequence::Cut,
    QKeySequence::Copy,
    QKeySequence::Paste,
    QKeySequence::MoveToNextWord,
    QKeySequence::MoveToPreviousWord,
    QKeySequence::SelectNextWord,
    QKeySequence::SelectPreviousWord,
};

} // namespace

std::span<const Shortcut> allShortcuts() {
    return kShortcuts;
}

QKeySequence shortcutOf(const char* action) {
    const auto found =
        std::ranges::find_if(kShortcuts, [&](const Shortcut& one) { return std::strcmp(one.action, action) == 0; });
    return found == kShortcuts.end() ? QKeySequence() : QKeySequence(QString::fromLatin1(found->keys));
}

bool isForText(const QKeyEvent& event) {
    if (std::ranges::any_of(kOfText, [&](QKeySequence::StandardKey key) { return event.matches(key); })) return true;
    const bool plain = !(event.modifiers() & (Qt::ControlModifier | Qt::AltModifier | Qt::MetaModifier));
    const bool erases = event.key() == Qt::Key_Backspace || event.key() == Qt::Key_Delete || event.key() == Qt::Key_K ||
                        event.key() == Qt::Key_U || event.key() == Qt::Key_Left || event.key() == Qt::Key_Right ||
                        event.key() == Qt::Key_Up || event.key() == Qt::Key_Down;
    return plain ? !event.text().isEmpty() && event.key() != Qt::Key_Escape
                 : erases && event.modifiers().testFlag(Qt::ControlModifier);
}

} // namespace lariat
