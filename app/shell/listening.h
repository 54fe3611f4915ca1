// Listening: what the ears get while a patch is being made. Rows and voices can be silenced, one voice or one cable
// heard alone. Nothing of it belongs to the patch.
#pragma once

#include "shell/document.h"

#include <QObject>

#include <set>
#include <string>
#include <vector>

namespace lariat {

class Listening : public QObject {
    Q_OBJECT

  public:
    explicit Listening(Document& document, QObject* parent = nullptr);

    void silenceRow(int cable, bool on);
    [[nodiscard]] bool rowSilenced(int cable) const { return rows_.contains(cable); }
    void silenceVoice(const std::string& voice, bool on);
    [[nodiscard]] bool voiceSilenced(const std::string& voice) const { return voices_.contains(voice); }
    /// Only this voice sounds; an empty name: all do.
    void soloVoice(const std::string& voice);
    [[nodiscard]] const std::string& solo() const { return solo_; }
    /// The monitor hears this cable instead of the way out; 0: the way out.
    void listenTo(int cable);
    [[nodiscard]] int listened() const { return listened_; }
    void everythingAgain();
    [[nodiscard]] bool changesAnything() const;

    /// Cables that are to bring nothing: silenced rows, and where silenced voices leave for what all voices share.
    [[nodiscard]] std::vector<int> silenced() const;
    [[nodiscard]] JackRef listenedJack() const;

  Q_SIGNALS:
    void changed();

  private:
    void forgetWhatIsGone();
    [[nodiscard]] bool leavesVoice(const Cable& cable) const;

    Document& document_;
    std::set<int> rows_;
    std::set<std::string> voices_;
    std::string solo_;
    int listened_ = 0;
};

} // namespace lariat
