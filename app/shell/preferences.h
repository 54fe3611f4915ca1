// Preferences: theme, language, devices, latency.
#pragma once

#include "shell/session.h"
#include "shell/theme.h"

#include <QComboBox>
#include <QDialog>
#include <QLabel>
#include <QTimer>

namespace lariat {

class Preferences : public QDialog {
    Q_OBJECT

  public:
    explicit Preferences(const Session& session, QWidget* parent = nullptr);

    /// What was chosen last time.
    [[nodiscard]] static Theme theme();
    [[nodiscard]] static QString device();
    /// The sound file that comes in at the simulated interface.
    [[nodiscard]] static QString simulatedIn();
    /// Code of a language; empty: the system's.
    [[nodiscard]] static QString language();
    [[nodiscard]] static unsigned blockFrames();
    [[nodiscard]] static QString midi();
    /// Where MIDI clock goes; empty: nowhere.
    [[nodiscard]] static QString clockOut();
    [[nodiscard]] static bool followsStart();
    /// Size of everything, as a factor; 0: as large as the system's text asks for.
    [[nodiscard]] static double scale();

  Q_SIGNALS:
    void themeChosen(Theme theme);

  private:
    void showDropouts();
    void showClocks();
    QWidget* makeSimulatedIn();

    Session session_;
    QComboBox* theme_;
    QComboBox* language_;
    QComboBox* device_;
    QLabel* dropouts_;
    QLabel* clocks_;
    QTimer clockTimer_;
};

} // namespace lariat
