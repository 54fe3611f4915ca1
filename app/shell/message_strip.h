// A strip that says what happened, and how to go on; it never stops the work.
#pragma once

#include <QFrame>
#include <QHBoxLayout>
#include <QLabel>
#include <QTimer>

#include <functional>
#include <utility>
#include <vector>

namespace lariat {

class MessageStrip : public QFrame {
    Q_OBJECT

  public:
    using Choice = std::pair<QString, std::function<void()>>;

    explicit MessageStrip(QWidget* parent = nullptr);
    /// A message without choices leaves by itself after a while; a refusal and one with choices stays until it is
    /// closed or the next one comes.
    void say(const QString& text, bool refusal, const std::vector<Choice>& choices = {});
    [[nodiscard]] QString text() const { return isVisibleTo(parentWidget()) ? label_->text() : QString(); }

  private:
    QLabel* label_;
    QHBoxLayout* buttons_;
    QTimer leave_;
};

} // namespace lariat
