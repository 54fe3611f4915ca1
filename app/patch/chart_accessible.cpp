#include "patch/chart_accessible.h"

#include "patch/chart.h"

#include <QAccessible>
#include <QAccessibleWidget>

#include <map>
#include <memory>

namespace lariat {
namespace {

class AccessibleChart;

/// One row: a heading, a cable, a wire behind the panel or a finding. It asks the chart each time, so that it is never
/// older than the patch.
class AccessibleRow final : public QAccessibleInterface {
  public:
    AccessibleRow(Chart& chart, int index) : chart_(&chart), index_(index) {}

    [[nodiscard]] bool isValid() const override { return chart_ && index_ < chart_->rowCount(); }
    [[nodiscard]] QObject* object() const override { return nullptr; }
    [[nodiscard]] QAccessibleInterface* parent() const override {
        return chart_ ? QAccessible::queryAccessibleInterface(chart_) : nullptr;
    }
    [[nodiscard]] QAccessibleInterface* child(int) const override { return nullptr; }
    [[nodiscard]] int childCount() const override { return 0; }
    [[nodiscard]] int indexOfChild(const QAccessibleInterface*) const override { return -1; }
    [[nodiscard]] QAccessibleInterface* childAt(int, int) const override { return nullptr; }
    [[nodiscard]] QString text(QAccessible::Text kind) const override {
        return isValid() && kind == QAccessible::Name ? chart_->rowText(index_) : QString();
    }
    void setText(QAccessible::Text, const QString&) override {}
    [[nodiscard]] QRect rect() const override { return isValid() ? chart_->rowRect(index_) : QRect(); }
    [[nodiscard]] QAccessible::Role role() const override { return QAccessible::ListItem; }
    [[nodiscard]] QAccessible::State state() const override {
        QAccessible::State state;
        state.selectable = true;
        state.selected = isValid() && chart_->rowChosen(index_);
        state.focused = state.selected && chart_->hasFocus();
        return state;
    }

  private:
    QPointer<Chart> chart_;
    int index_;
};

class AccessibleChart final : public QAccessibleWidget {
  public:
    explicit AccessibleChart(Chart* chart) : QAccessibleWidget(chart, QAccessible::List), chart_(chart) {}
    ~AccessibleChart() override {
        for (const auto& [index, id] : rows_) QAccessible::deleteAccessibleInterface(id);
    }

    [[nodiscard]] int childCount() const override { return chart_ ? chart_->rowCount() : 0; }
    [[nodiscard]] QAccessibleInterface* child(int index) const override {
        if (!chart_ || index < 0 || index >= childCount()) return nullptr;
        auto found = rows_.find(index);
        if (found == rows_.end())
            found =
                rows_.emplace(index, QAccessible::registerAccessibleInterface(new AccessibleRow(*chart_, index))).first;
        return QAccessible::accessibleInterface(found->second);
    }
    [[nodiscard]] int indexOfChild(const QAccessibleInterface* child) const override {
        for (const auto& [index, id] : rows_)
            if (QAccessible::accessibleInterface(id) == child) return index;
        return -1;
    }

  private:
    QPointer<Chart> chart_;
    mutable std::map<int, QAccessible::Id> rows_;
};

} // namespace

QAccessibleInterface* accessibleChart(const QString&, QObject* object) {
    auto* chart = qobject_cast<Chart*>(object);
    return chart ? new AccessibleChart(chart) : nullptr;
}

} // namespace lariat
