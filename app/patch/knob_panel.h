// Knobs, switches and sources of one post, each with its marks, its reach and its menu.
#pragma once

#include "shell/session.h"
#include "widgets/envelope_picture.h"
#include "widgets/knob.h"
#include "widgets/midi_table_view.h"
#include "widgets/scale_tools.h"
#include "widgets/state_tools.h"

#include <QComboBox>
#include <QVBoxLayout>
#include <QWidget>

#include <map>
#include <set>
#include <string>

namespace lariat {

class KnobPanel : public QWidget {
    Q_OBJECT

  public:
    KnobPanel(const Session& session, const Post& post, QWidget* parent = nullptr);

    ~KnobPanel() override;

    [[nodiscard]] Knob* knob(const std::string& id) const;
    [[nodiscard]] EnvelopePicture* envelope() const { return envelope_; }
    /// A hand is on one of them: nothing may be made anew under it.
    [[nodiscard]] bool busy() const;
    /// It listens to the keys for a scale.
    [[nodiscard]] bool learning() const { return scales_ && scales_->learning(); }
    /// Shows where they stand in the patch.
    void refresh();
    /// Shows what moves without an edit.
    void follow();

  Q_SIGNALS:
    void message(const QString& text, bool refusal);
    void released();

  private:
    void addEnvelope(const Post& post, const PartInfo& part);
    void showEnvelope(const Post& post, const PartInfo& part);
    void addKnobs(const Post& post, const PartInfo& part);
    void addGesture(const PartInfo& part);
    void addButtons(const PartInfo& part);
    void press(const std::string& button);
    void release(const std::string& button);
    void letGo(const std::string& button);
    void addSwitch(const Post& post, const KnobInfo& knob);
    static void showSwitch(QComboBox& box, const Post& post, const KnobInfo& info);
    void addSources(const Post& post, const PartInfo& part);
    void markKnob(Knob& knob, const Post& post, const std::string& id);
    void showSwitchMenu(const std::string& knob, const QPoint& where);
    void setUnknown(const std::string& knob, bool unknown);
    void askBetween(const std::string& knob);
    void describeKnob(const std::string& post, const std::string& knob, bool note, bool locked);
    void learn(const std::string& knob);

    Session session_;
    std::string post_;
    QVBoxLayout* layout_;
    EnvelopePicture* envelope_ = nullptr; ///< of a contour
    MidiTableView* midi_ = nullptr;       ///< of a converter
    ScaleTools* scales_ = nullptr;        ///< of a quantizer
    StateTools* states_ = nullptr;        ///< of a shift register
    std::map<std::string, Knob*> knobs_;
    std::map<std::string, QComboBox*> switches_;
    std::set<std::string> pressed_; ///< buttons that are down
};

} // namespace lariat
