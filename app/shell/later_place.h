// A place that is not built yet says what it will be for.
#pragma once

#include <QWidget>

namespace lariat {

class LaterPlace : public QWidget {
    Q_OBJECT

  public:
    LaterPlace(const QString& question, const QString& text, QWidget* parent = nullptr);
};

} // namespace lariat
