// The Bench: what is it, exactly? A question of jacks and recordings, answered with a sentence, a picture and figures.
#pragma once

#include "bench/asked_panel.h"
#include "bench/figures_panel.h"
#include "bench/live_traces.h"
#include "bench/plots_view.h"
#include "bench/recordings.h"
#include "shell/place.h"
#include "widgets/turns.h"

#include <QFrame>
#include <QLabel>
#include <QPushButton>
#include <QTimer>

#include <memory>
#include <optional>

namespace lariat {

class BenchPlace : public Place {
    Q_OBJECT

  public:
    explicit BenchPlace(const Session& session, QWidget* parent = nullptr);

    void addActions(const Menus& menus) override;
    void addActionsForAll(const Menus& menus) override;

    [[nodiscard]] AskedPanel& asked() { return *panel_; }
    [[nodiscard]] PlotsView& plots() { return *plots_; }
    [[nodiscard]] QTreeWidget& figures() { return right_->figures(); }
    [[nodiscard]] Turns& turns() { return *turns_; }
    /// The answer that is shown; it stays until there is another one.
    [[nodiscard]] const std::optional<Answer>& answer() const { return answer_; }
    /// Nothing is being worked out or waited for.
    [[nodiscard]] bool settled() const { return !job_ && !wait_.isActive(); }
    /// Asks about what is chosen, with the question that fits it.
    void askAbout(const Chosen& chosen, bool also = false);
    void addRecordingFile(const QString& file) { recordings_->add(file); }
    void holdAgainstFile(const QString& file);
    void writePicture(const QString& file);
    void writeFigures(const QString& file);
    /// Does what an answer offers, as one step of the history.
    void accept(std::size_t offer);
    void chooseJack();

  protected:
    void showEvent(QShowEvent* event) override;
    void hideEvent(QHideEvent* event) override;
    void resizeEvent(QResizeEvent* event) override;
    void changeEvent(QEvent* event) override;
    void dragEnterEvent(QDragEnterEvent* event) override;
    void dropEvent(QDropEvent* event) override;

  private:
    QWidget* makeMiddle();
    void askSoon();
    void ask(bool fit = false);
    void show(Result<Answer> answer);
    void showAnswer();
    void refuse(const Sentence& why);
    void recolour();
    void follow(); ///< jacks of the running patch are watched, or no longer
    void look();   ///< the newest of them
    void hearTurns(bool on);
    void hearBlind();
    void askOnSheet(bool on);
    bool changeModule(const AskedOffer& offer);
    void findSettings();
    [[nodiscard]] std::optional<double> levelOf(std::size_t track) const;
    [[nodiscard]] Question questionFor(const JackRef& jack, const Chosen& chosen) const;

    Session session_;
    AskedPanel* panel_;
    Recordings* recordings_;
    PlotsView* plots_ = nullptr;
    QFrame* card_ = nullptr;
    QLabel* verdict_ = nullptr;
    QLabel* more_ = nullptr;
    QLabel* cursors_ = nullptr;
    QPushButton* picture_ = nullptr;
    QPushButton* table_ = nullptr;
    QPushButton* stop_ = nullptr;
    FiguresPanel* right_ = nullptr;
    Turns* turns_;
    std::optional<Answer> answer_;
    std::shared_ptr<Job> job_;
    QTimer wait_;   ///< until what is changed stands still
    QTimer frames_; ///< of the running patch
    QTimer often_;  ///< its figures
    LiveTraces live_;
    bool stale_ = true;
    bool asksLive_ = false; ///< the job that runs is of the running patch
};

} // namespace lariat
