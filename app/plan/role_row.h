// A role and what plays it, joined by a line: full where the thing itself does, broken where something stands in.
#pragma once

#include <QFrame>
#include <QString>

namespace lariat {

class RoleRow : public QFrame {
    Q_OBJECT

  public:
    RoleRow(const QString& role, const QString& where, const QString& why, bool standsIn, QWidget* parent = nullptr);

  protected:
    void paintEvent(QPaintEvent* event) override;

  private:
    bool standsIn_;
};

} // namespace lariat
