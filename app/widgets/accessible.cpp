#include "widgets/accessible.h"

#include "widgets/knob.h"

#include <QAccessible>
#include <QAccessibleWidget>

namespace lariat {
namespace {

/// A knob: its name, its value with unit and position, its range; it can be turned.
class AccessibleKnob final : public QAccessibleWidget, public QAccessibleValueInterface {
  public:
    explicit AccessibleKnob(Knob* knob) : QAccessibleWidget(knob, QAccessible::Dial), knob_(knob) {}

    void* interface_cast(QAccessible::InterfaceType type) override {
        if (type == QAccessible::ValueInterface) return static_cast<QAccessibleValueInterface*>(this);
        return QAccessibleWidget::interface_cast(type);
    }
    [[nodiscard]] QString text(QAccessible::Text kind) const override {
        return kind == QAccessible::Value ? knob_->accessibleDescription() : QAccessibleWidget::text(kind);
    }
    [[nodiscard]] QVariant currentValue() const override { return knob_->value(); }
    [[nodiscard]] QVariant minimumValue() const override { return knob_->scale().min; }
    [[nodiscard]] QVariant maximumValue() const override { return knob_->scale().max; }
    [[nodiscard]] QVariant minimumStepSize() const override {
        return QVariant();
    } // it is even on the dial, not in values
    void setCurrentValue(const QVariant& value) override { knob_->turnToValue(value.toDouble()); }

  private:
    Knob* knob_;
};

QAccessibleInterface* accessibleKnob(const QString&, QObject* object) {
    auto* knob = qobject_cast<Knob*>(object);
    return knob ? new AccessibleKnob(knob) : nullptr;
}

} // namespace

void speakToScreenReaders() {
    QAccessible::installFactory(accessibleKnob);
}

} // namespace lariat
