// The list of all findings, by voice; with the notes, and with those that were kept as they are.
#pragma once

#include "patch/chart.h"
#include "shell/session.h"

#include <QComboBox>
#include <QScrollArea>
#include <QVBoxLayout>

namespace lariat {

class FindingsPage : public QWidget {
    Q_OBJECT

  public:
    FindingsPage(const Session& session, Chart& chart, QWidget* parent = nullptr);

    /// The voices that can be filtered by; the first entry is all.
    [[nodiscard]] QComboBox& voices() { return *voices_; }
    /// Cards that are shown now.
    [[nodiscard]] int count() const { return count_; }

    /// Opens the way to a finding, here and on the chart; without one, closes what is open.
    void showWalk(const std::optional<Finding>& finding);

  Q_SIGNALS:
    void fixRequested(const Finding& finding, std::size_t fix);
    void dismissRequested(const Finding& finding);
    /// The way on which it was found is to be shown alone on the chart; of one without a way, all again.
    void walkRequested(const Finding& finding);

  protected:
    void showEvent(QShowEvent* event) override;
    void changeEvent(QEvent* event) override;

  private:
    void refresh();
    [[nodiscard]] bool isOfVoice(const Finding& finding) const;
    [[nodiscard]] QString where(const Finding& finding) const;
    void addHeading(const QString& text);

    Session session_;
    Chart& chart_;
    QComboBox* voices_;
    QScrollArea* area_;
    QVBoxLayout* cards_ = nullptr;
    std::optional<Finding> open_; ///< whose way is shown
    int count_ = 0;
    bool stale_ = false;
};

} // namespace lariat
