// A finder: a list that shrinks while one types, for commands, parts of the case, and whatever else has many names.
#pragma once

#include <QDialog>
#include <QLineEdit>
#include <QListWidget>

#include <functional>
#include <vector>

namespace lariat {

class Finder : public QDialog {
    Q_OBJECT

  public:
    Finder(const QString& title, const QString& hint, QWidget* parent);

    /// Something that can be found, and what is done when it is chosen.
    void add(const QString& text, std::function<void()> chosen);

    [[nodiscard]] QLineEdit& field() { return *field_; }
    [[nodiscard]] QListWidget& list() { return *list_; }

  protected:
    bool eventFilter(QObject* watched, QEvent* event) override;

  private:
    void filter(const QString& text);
    void run();

    QLineEdit* field_;
    QListWidget* list_;
    std::vector<std::function<void()>> chosen_;
};

} // namespace lariat
