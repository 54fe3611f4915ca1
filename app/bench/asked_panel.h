// The left of the Bench: the questions, what they are asked of, and how.
#pragma once

#include "ask/asking.h"
#include "bench/recording_options.h"
#include "shell/session.h"

#include <QCheckBox>
#include <QComboBox>
#include <QDoubleSpinBox>
#include <QListWidget>
#include <QPushButton>
#include <QWidget>

#include <map>
#include <vector>

namespace lariat {

class AskedPanel : public QWidget {
    Q_OBJECT

  public:
    /// What a comparison may be held against.
    struct Against {
        QString name;
        std::shared_ptr<const Patch> patch;
        std::optional<double> lufs{}; ///< as measured when it was kept
        bool fromFile = false;        ///< it stays in the list, whatever the patch and the log hold
        std::int64_t take = 0;        ///< of the log: its patch is read when it is chosen
        bool second = false;          ///< of what is asked of
    };
    explicit AskedPanel(const Session& session, QWidget* parent = nullptr);

    /// The question as it is asked now, without what a running patch gives.
    [[nodiscard]] Asking asking() const;
    [[nodiscard]] Question question() const;
    void choose(Question question);
    /// Adds a jack (an empty post: the way out), or has it alone; false if there are eight, or it is there already.
    bool addJack(const JackRef& jack, bool alone = false);
    void addRecording(Recorded recorded);
    /// The one of that id, read otherwise; nothing if it was taken out meanwhile.
    void changeRecording(Recorded recorded);
    [[nodiscard]] const std::vector<Recorded>& recordings() const { return recordings_; }
    /// The first is held against the second of what is asked of.
    [[nodiscard]] bool againstSecond() const;
    /// Says on the button that so many seconds came in; nothing: none does.
    void showRecordingIn(std::optional<double> seconds);
    void takeOut(int row);
    [[nodiscard]] const std::vector<JackRef>& jacks() const { return jacks_; }
    [[nodiscard]] bool live() const;
    [[nodiscard]] bool held() const;
    void setHeld(bool held);
    [[nodiscard]] bool single() const;
    [[nodiscard]] const Against* against() const;
    /// Of another document: nothing is asked of.
    void forget();
    /// Jacks that are gone are left out; their names.
    QStringList leaveOutGone();
    /// What depends on the patch: names and triggers, knobs that may be found.
    void refresh();
    /// What it may be held against: settings, takes, files.
    void fillAgainst();
    void holdAgainst(Against other);
    /// Colours follow the theme.
    void recolour();
    [[nodiscard]] QListWidget& questions() { return *questions_; }
    [[nodiscard]] QListWidget& askedOf() { return *askedOf_; }

  Q_SIGNALS:
    void changed(); ///< it is to be asked anew
    void addJackWanted();
    void addRecordingWanted();
    void recordInWanted(bool on);
    /// A recording is to be read anew.
    void readingWanted(const lariat::Recorded& recorded);
    void jackFollowed(const JackRef& jack);
    void againstFileWanted();
    void fitWanted();
    void turnsWanted(bool on);
    void blindWanted();
    void pinWanted();
    void sheetWanted(bool on);

  private:
    void makeQuestions(QLayout& column);
    void makeAskedOf(QLayout& column);
    void makeOptions(QLayout& column);
    void showOptions();
    void fillAskedOf();
    void showRecording();
    void showHearing();
    void fillTriggers();
    void fillKnobs();
    bool eventFilter(QObject* watched, QEvent* event) override;
    QWidget* row(const QString& text, QWidget* field, Question question);
    template <class Widget> Widget* named(Widget* widget, const char* name, const QString& accessible);

    Session session_;
    QListWidget* questions_ = nullptr;
    QListWidget* askedOf_ = nullptr;
    QPushButton* addJack_ = nullptr;
    QPushButton* addRecording_ = nullptr;
    QPushButton* recordIn_ = nullptr;
    RecordingOptions* reading_ = nullptr;
    QComboBox* from_ = nullptr;
    QDoubleSpinBox* seconds_ = nullptr;
    QCheckBox* realCase_ = nullptr;
    QComboBox* window_ = nullptr;
    QComboBox* trigger_ = nullptr;
    QCheckBox* lanes_ = nullptr;
    QCheckBox* xy_ = nullptr;
    QCheckBox* hold_ = nullptr;
    QCheckBox* single_ = nullptr;
    QComboBox* tuning_ = nullptr;
    QCheckBox* played_ = nullptr;
    QComboBox* vowel_ = nullptr;
    QCheckBox* sidebands_ = nullptr;
    QCheckBox* twice_ = nullptr;
    QCheckBox* averaged_ = nullptr;
    QCheckBox* linear_ = nullptr;
    QComboBox* against_ = nullptr;
    QPushButton* turns_ = nullptr;
    QPushButton* blind_ = nullptr;
    QListWidget* knobs_ = nullptr;
    QPushButton* fit_ = nullptr;
    QPushButton* pin_ = nullptr;
    QPushButton* sheet_ = nullptr;
    std::multimap<Question, QWidget*> rows_;
    std::vector<JackRef> jacks_;
    std::vector<Recorded> recordings_;
    int lastId_ = 0;
    mutable std::vector<Against> others_; ///< patches of takes come in when they are asked for
    bool filling_ = false;
    std::optional<StepAt> step_; ///< that was chosen last

    friend class BenchPlace;
};

} // namespace lariat
