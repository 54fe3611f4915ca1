// What is asked before a patch is rendered to files: length, format, scenes, a file for each voice.
#pragma once

#include "shell/session.h"
#include "timing/to_files.h"

#include <QCheckBox>
#include <QComboBox>
#include <QDialog>
#include <QSpinBox>

namespace lariat {

class RenderDialog : public QDialog {
    Q_OBJECT

  public:
    RenderDialog(const Session& session, QWidget* parent);

    [[nodiscard]] double seconds() const { return seconds_->value(); }
    [[nodiscard]] bool scenes() const { return scenes_->isChecked(); }
    [[nodiscard]] bool stems() const { return stems_->isChecked(); }
    [[nodiscard]] SoundFormat format() const;
    /// Endings that can hold it, the usual one first.
    [[nodiscard]] QStringList endings() const;

  private:
    void propose();
    void remember() const;

    Session session_;
    QSpinBox* seconds_;
    QComboBox* rate_;
    QComboBox* bits_;
    QComboBox* kind_;
    QCheckBox* scenes_;
    QCheckBox* stems_;
};

} // namespace lariat
