// Which takes are compared: a list to tick, two to six of them.
#pragma once

#include <QDialog>
#include <QListWidget>
#include <QPushButton>

#include <cstdint>
#include <vector>

namespace lariat {

class ChooseTakes : public QDialog {
    Q_OBJECT

  public:
    static constexpr int kFewest = 2;
    static constexpr int kMost = 6;
    struct Entry {
        std::int64_t id = 0;
        QString name;
        bool ticked = false;
    };
    ChooseTakes(const QString& title, const std::vector<Entry>& entries, QWidget* parent = nullptr);

    [[nodiscard]] std::vector<std::int64_t> chosen() const;

  private:
    QListWidget* list_;
    QPushButton* go_;
};

} // namespace lariat
