// The inspector: everything about the chosen post: its knobs, switches and jacks, and what was found there.
#pragma once

#include "patch/chart.h"
#include "patch/knob.h"
#include "shell/session.h"

#include <QComboBox>
#include <QLabel>
#include <QLineEdit>
#include <QPointer>
#include <QScrollArea>
#include <QTimer>
#include <QVBoxLayout>

#include <map>

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
    void allFindingsWanted();

  private:
    [[nodiscard]] QString wording() const;
    void refresh();
    void rebuild();
    void addHead(const Post& post, const PartInfo& part);
    void addKnobs(const Post& post, const PartInfo& part);
    void addSwitch(const Post& post, const KnobInfo& knob);
    void addRegister(const Post& post, const PartInfo& part);
    void addSources(const Post& post, const PartInfo& part);
    void addJacks(const Post& post, const PartInfo& part);
    void addCable(const Cable& cable);
    void addFindings();
    void addHeading(const QString& text);
    void addText(const QString& text);
    void pickJack(const JackRef& jack);
    void markKnob(Knob& knob, const Post& post, const std::string& id);
    void describeKnob(const std::string& post, const std::string& knob, bool note, bool locked);
    void learn(const std::string& post, const std::string& knob);
    void takeController(int number);
    void follow();

    Session session_;
    Chart& chart_;
    QVBoxLayout* layout_ = nullptr;
    std::string post_;
    QString shown_; ///< the wording that the page was made for
    std::map<std::string, Knob*> knobs_;
    std::map<std::string, QComboBox*> switches_;
    JackRef pending_;
    QPointer<QLineEdit> note_;                     ///< of the chosen cable
    QPointer<QLabel> reading_;                     ///< of the chosen cable
    QTimer follower_;                              ///< of what moves: readings, and the reach of modulation
    std::pair<std::string, std::string> learning_; ///< post and knob that wait for a controller
};

} // namespace lariat
