// Two patches on one chart: what stays is quiet, what went and what came has the colours of before and after.
#pragma once

#include "library/library.h"
#include "log/both.h"

#include <QWidget>

#include <memory>

namespace lariat {

class BothChart : public QWidget {
    Q_OBJECT

  public:
    explicit BothChart(QWidget* parent = nullptr);

    /// Nothing of one of them: the other one by itself.
    void show(std::shared_ptr<const Patch> before, std::shared_ptr<const Patch> after, const Library& library);
    /// Every row, or only those that are different (as it begins).
    void showAll(bool all);
    [[nodiscard]] bool showsAll() const { return all_; }
    /// The row of the cable into that jack, and a post, are marked; empty: none.
    void mark(const JackRef& into, const std::string& post);
    [[nodiscard]] const Both& both() const { return both_; }
    /// Where the row-th of those that are shown is painted; for tests.
    [[nodiscard]] QRect rowRect(int row) const;
    /// Those that are shown, as places in both().rows.
    [[nodiscard]] const std::vector<std::size_t>& shown() const { return shown_; }

    [[nodiscard]] QSize sizeHint() const override;

  Q_SIGNALS:
    /// A row was pressed: the cable into that jack, and the post that it goes to.
    void chosen(const JackRef& into);

  protected:
    void paintEvent(QPaintEvent* event) override;
    void mousePressEvent(QMouseEvent* event) override;
    void resizeEvent(QResizeEvent* event) override;

  private:
    [[nodiscard]] qreal xOf(const std::string& post) const;
    [[nodiscard]] QString wordOf(const JackRef& jack) const;
    void paintRow(QPainter& painter, int row) const;
    void layOut();
    void choose();

    std::shared_ptr<const Patch> before_;
    std::shared_ptr<const Patch> after_;
    const Library* library_ = nullptr;
    Both both_;
    std::vector<std::size_t> shown_;
    bool all_ = false;
    std::map<std::string, qreal> places_;
    int tiers_ = 1;
    JackRef marked_;
    std::string markedPost_;
};

} // namespace lariat
