// What a quantizer's panel has beside its switches: learning a scale from keys, scales of one's own, and keeping what
// its sequence has recorded.
#pragma once

#include "shell/session.h"

#include <QPushButton>
#include <QWidget>

#include <string>
#include <vector>

namespace lariat {

class ScaleTools : public QWidget {
    Q_OBJECT

  public:
    ScaleTools(const Session& session, std::string post, QWidget* parent = nullptr);

    [[nodiscard]] bool learning() const { return learn_->isChecked(); }

  Q_SIGNALS:
    void message(const QString& text, bool refusal);

  private:
    void hear(const MidiMessage& played);
    void endLearning();
    void fillScales();
    void save();
    void keep();
    /// The scale becomes the quantizer's own notes, its root where `root` says; nothing: as it is.
    void take(unsigned mask, std::optional<int> root, const QString& name);
    [[nodiscard]] unsigned mask() const;

    Session session_;
    std::string post_;
    std::vector<int> notes_; ///< heard while learning
    QPushButton* learn_;
    QPushButton* scales_;
    QPushButton* keep_;
};

} // namespace lariat
