// What is done to the lines of sequencers: which one is chosen, which variation is shown, and every edit of them, each
// one step of the history. Chart, panel, step entry and recorder all work through it.
#pragma once

#include "shell/session.h"
#include "timing/pattern_edits.h"

#include <QObject>
#include <QString>

#include <functional>
#include <map>
#include <optional>
#include <variant>

namespace lariat {

class LineEditor : public QObject {
    Q_OBJECT

  public:
    explicit LineEditor(const Session& session, QObject* parent = nullptr);

    /// The line that is worked on; an empty post: none.
    [[nodiscard]] const LineRef& line() const { return session_.selection.chosen().line; }
    /// Its chosen steps; none: all that can be is meant.
    [[nodiscard]] const std::set<int>& steps() const { return session_.selection.chosen().steps; }
    /// Where the next step that is entered goes.
    [[nodiscard]] int cursor() const;
    void choose(const LineRef& line, std::set<int> steps = {}) {
        session_.selection.chooseSteps(line, std::move(steps));
    }
    [[nodiscard]] std::optional<Sequencer> sequencer() const;
    [[nodiscard]] Pattern pattern() const { return patternOf(session_.document.patch(), line().post); }
    /// The track or lane that is worked on, as it is written; nullptr if it is not, or if it is of another kind.
    [[nodiscard]] const Track* track() const;
    [[nodiscard]] const Lane* lane() const;
    [[nodiscard]] int stepCount() const;

    /// The variation of a post that is shown and edited: the one that its switch asks for, or another one.
    [[nodiscard]] int shown(const std::string& post) const;
    /// Shows a variation and lets it play; one that is not written yet begins as a copy of the one shown before.
    void playVariation(const std::string& post, int variation);
    /// Shows one while another one plays.
    void showVariation(const std::string& post, int variation);

    /// Changes what is written for a post. False, with `refused`, if the module cannot hold it. With `what` it goes on
    /// in one step of the history for as long as nothing else happens.
    bool change(const std::string& post, const QString& name, const std::function<void(Pattern&)>& how,
                const QString& what = {});
    /// The same of the line that is worked on.
    bool changeTrack(const QString& name, const std::function<void(Track&)>& how, const QString& what = {});
    bool changeLane(const QString& name, const std::function<void(Lane&)>& how, const QString& what = {});
    bool changeStride(const QString& name, const std::function<void(Stride&)>& how);
    /// Every chosen step of a track, or all.
    bool changeSteps(const QString& name, const std::function<void(Step&)>& how, const QString& what = {});

    /// The whole line in words. Why they are none is returned; empty: it is done.
    QString setWords(const QString& words);
    [[nodiscard]] QString words() const;

    void reverse();
    void shift(int by);
    void thin();
    void humanize();
    void duplicate();
    void clear();
    void setLength(int steps);
    /// Notes up or down, by notes of the patch's key if it has one.
    void moveNotes(int by, bool inKey);
    [[nodiscard]] std::optional<Key> key() const { return parseKey(session_.document.patch().key); }
    void copy();
    /// Over the steps from the cursor on.
    void paste();

    /// The knob that holds a step of a fader line or a figure of a fill; nullptr if the panel has none.
    [[nodiscard]] const KnobInfo* knob(const std::string& post, const std::string& control) const;
    void turn(const std::string& post, const std::string& control, double value);

  Q_SIGNALS:
    void refused(const QString& why);
    void variationShown();

  private:
    template <class ForTrack, class ForLane>
    void onLine(const QString& name, const ForTrack& forTrack, const ForLane& forLane);

    Session session_;
    std::map<std::string, int> shown_; ///< where another one is shown than plays
    std::variant<Steps, Hits> copied_;
};

} // namespace lariat
