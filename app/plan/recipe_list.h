// The recipes by group, with a field to find one, and beside each whether this case can play it.
#pragma once

#include "plan/plan.h"
#include "shell/session.h"

#include <QLineEdit>
#include <QTimer>
#include <QTreeWidget>
#include <QWidget>

#include <memory>

namespace lariat {

class RecipeList : public QWidget {
    Q_OBJECT

  public:
    RecipeList(const Session& session, std::shared_ptr<const RecipeBook> book,
               std::shared_ptr<const Functions> functions, QWidget* parent = nullptr);

    void choose(const std::string& id);
    void setBook(std::shared_ptr<const RecipeBook> book);
    [[nodiscard]] std::string chosen() const;
    [[nodiscard]] QLineEdit& field() { return *field_; }
    [[nodiscard]] QTreeWidget& tree() { return *tree_; }
    /// Where somebody says in a few words what is wanted.
    [[nodiscard]] QLineEdit& wish() { return *wish_; }
    /// What is said of a recipe: "fits", "2 short"; empty while it is worked out.
    [[nodiscard]] QString verdict(const std::string& id) const;
    /// Works out anew what fits, as soon as it is seen.
    void look();

  Q_SIGNALS:
    void recipeChosen(const std::string& id);
    void wishWritten(const QString& text);

  protected:
    void showEvent(QShowEvent* event) override;

  private:
    void fill();
    void find(const QString& text);
    void lookAt(std::size_t next);
    [[nodiscard]] QTreeWidgetItem* itemOf(const std::string& id) const;

    Session session_;
    std::shared_ptr<const RecipeBook> book_;
    std::shared_ptr<const Functions> functions_;
    QLineEdit* field_;
    QTreeWidget* tree_;
    QLineEdit* wish_;
    std::shared_ptr<Job> job_;
    QTimer wait_;
    bool stale_ = true;
};

} // namespace lariat
