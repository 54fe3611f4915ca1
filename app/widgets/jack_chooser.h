// After a drag from post to post: two lists, outputs of the one and inputs of the other, fitting jacks first.
#pragma once

#include "shell/session.h"

#include <QFrame>
#include <QLabel>
#include <QListWidget>
#include <QPushButton>

namespace lariat {

class JackChooser : public QFrame {
    Q_OBJECT

  public:
    JackChooser(const Session& session, std::string from, std::string to, QWidget* parent = nullptr);

    [[nodiscard]] QListWidget* outputs() const { return outputs_; }
    [[nodiscard]] QListWidget* inputs() const { return inputs_; }

  Q_SIGNALS:
    void chosen(const JackRef& from, const JackRef& to);

  protected:
    void keyPressEvent(QKeyEvent* event) override;

  private:
    void fillOutputs();
    void fillInputs();
    void describe();
    void accept();
    [[nodiscard]] JackRef output() const;
    [[nodiscard]] JackRef input() const;

    Session session_;
    std::string from_;
    std::string to_;
    QListWidget* outputs_;
    QListWidget* inputs_;
    QLabel* effect_;
    QPushButton* tie_;
};

} // namespace lariat
