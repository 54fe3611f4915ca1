// The inspector: everything about the chosen post: its knobs, switches and jacks, and what was found there.
#pragma once

#include "patch/cable_card.h"
#include "patch/chart.h"
#include "patch/jack_panel.h"
#include "patch/knob_panel.h"
#include "shell/session.h"

#include <QScrollArea>
#include <QTimer>
#include <QVBoxLayout>

namespace lariat {

class Inspector : public QScrollArea {
    Q_OBJECT

  public:
    Inspector(const Session& session, Chart& chart, QWidget* parent = nullptr);

    /// The knob or nullptr, for tests and for the keyboard.
    [[nodiscard]] Knob* knob(const std::string& id) const;
    /// The jack that waits for its other end; an empty post if none does.
    [[nodiscard]] const JackRef& pending() const { return pending_; }
    void forgetPending();

  Q_SIGNALS:
    void message(const QString& text, bool refusal);
    void fixRequested(const Finding& finding, std::size_t fix);
    void dismissRequested(const Finding& finding);
    /// The way to it is to be shown in the list of findings.
    void whyAsked(const Finding& finding);
    void allFindingsWanted();

  private:
    [[nodiscard]] QString wording() const;
    void refresh();
    void rebuild();
    void addHead(const Post& post, const PartInfo& part);
    void addCable(const Cable& cable);
    void addFindings();
    void addHeading(const QString& text);
    void addText(const QString& text);
    void pickJack(const JackRef& jack);
    void follow();

    Session session_;
    Chart& chart_;
    QVBoxLayout* layout_ = nullptr;
    std::string post_;
    QString shown_;              ///< the wording that the page was made for
    bool renewed_ = false;       ///< its module may have other knobs: it is made anew even under the hand
    KnobPanel* knobs_ = nullptr; ///< of the page, with a post
    CableCard* cable_ = nullptr; ///< of the page, with a row
    JackRef pending_;
    QTimer follower_; ///< of what moves: readings, and the reach of modulation
};

} // namespace lariat
