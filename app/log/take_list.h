// The list of takes, newest first: a line down the side on which each take is a ring, beside it what branched off.
//
// One take is looked at (`after`), and held against another one (`before`). The first row is the open patch as it is.
#pragma once

#include "log/take.h"

#include <QAbstractListModel>
#include <QListView>

#include <vector>

namespace lariat {

class TakeModel : public QAbstractListModel {
    Q_OBJECT

  public:
    static constexpr std::int64_t kNow = 0; ///< the id of the row of the open patch

    using QAbstractListModel::QAbstractListModel;
    /// `beside`: with branches beside the line; found takes stand under one another.
    void setTakes(std::vector<TakeLine> takes, bool beside);
    void setNow(const QString& text, std::int64_t current);
    void setCompared(std::int64_t before, std::int64_t after);

    [[nodiscard]] int rowCount(const QModelIndex& parent = {}) const override;
    [[nodiscard]] QVariant data(const QModelIndex& index, int role) const override;
    [[nodiscard]] std::int64_t idAt(int row) const;
    [[nodiscard]] int rowOf(std::int64_t id) const; ///< -1: not in the list
    [[nodiscard]] const TakeLine* take(std::int64_t id) const;
    [[nodiscard]] const std::vector<TakeLine>& takes() const { return takes_; }
    [[nodiscard]] int laneAt(int row) const;
    [[nodiscard]] std::int64_t before() const { return before_; }
    [[nodiscard]] std::int64_t after() const { return after_; }
    [[nodiscard]] std::int64_t current() const { return current_; }

  private:
    std::vector<TakeLine> takes_;
    std::vector<int> lanes_;
    QString now_;
    std::int64_t current_ = 0;
    std::int64_t before_ = -1;
    std::int64_t after_ = -1;
};

class TakeList : public QListView {
    Q_OBJECT

  public:
    explicit TakeList(TakeModel& model, QWidget* parent = nullptr);

  Q_SIGNALS:
    void looked(std::int64_t id);      ///< chosen, by mouse or keys
    void heldAgainst(std::int64_t id); ///< with Ctrl, or C: the other one is to be that
    void throwAwayWanted(std::int64_t id);
    void goBackWanted(std::int64_t id); ///< Enter, or a double click

  protected:
    void mousePressEvent(QMouseEvent* event) override;
    void keyPressEvent(QKeyEvent* event) override;
    void currentChanged(const QModelIndex& current, const QModelIndex& previous) override;
    void changeEvent(QEvent* event) override;

  private:
    [[nodiscard]] std::int64_t idAt(const QModelIndex& index) const;
    TakeModel& takes_;
};

/// "22:10", "yesterday 22:10", "Sun 20:05", "3 Nov": as near as one needs it.
QString takeTime(std::int64_t at, std::int64_t now);
/// ●●●○○ as text: "●●●"
QString ratingDots(int rating);

} // namespace lariat
