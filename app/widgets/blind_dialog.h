// Blind rounds: two takes at a time, nobody knows which is which, and in the end which one was preferred.
#pragma once

#include "widgets/turns.h"

#include <QDialog>
#include <QLabel>
#include <QPushButton>

#include <random>

namespace lariat {

class BlindDialog : public QDialog {
    Q_OBJECT

  public:
    struct Entry {
        std::int64_t id = 0; ///< 0: the open patch
        QString name;
        Turns::Voice voice;
    };
    /// Two to six entries; each pair comes up as often as the others.
    BlindDialog(const Session& session, std::vector<Entry> entries, int rounds, std::uint32_t seed,
                QWidget* parent = nullptr);

    /// One that was preferred to another, round by round.
    struct Choice {
        std::int64_t preferred = 0;
        std::int64_t other = 0;
    };
    [[nodiscard]] const std::vector<Choice>& choices() const { return choices_; }
    [[nodiscard]] bool isOver() const { return round_ >= rounds_; }
    /// What it says in the end.
    [[nodiscard]] QString result() const;
    /// The pair of the round that is on, as it is played; for tests.
    [[nodiscard]] std::pair<std::size_t, std::size_t> pair() const { return {order_[0], order_[1]}; }

  protected:
    void keyPressEvent(QKeyEvent* event) override;

  private:
    void begin();
    void hear(int side);
    void prefer(int side); ///< 0, 1; -1: neither
    void refresh();

    std::vector<Entry> entries_;
    int rounds_;
    int round_ = 0;
    std::mt19937 random_;
    std::vector<std::pair<std::size_t, std::size_t>> pairs_;
    std::array<std::size_t, 2> order_{};
    std::array<bool, 2> heard_{};
    std::vector<Choice> choices_;
    Turns turns_;
    QLabel* head_;
    QLabel* say_;
    std::array<QPushButton*, 2> play_{};
    std::array<QPushButton*, 2> prefer_{};
    QPushButton* neither_;
    QPushButton* close_;
};

} // namespace lariat
