// The Sheet place: the printable patch sheet as it will look, and its files.
#pragma once

#include "shell/place.h"

#include <QLabel>
#include <QScrollArea>
#include <QVBoxLayout>

namespace lariat {

class SheetPlace : public Place {
    Q_OBJECT

  public:
    explicit SheetPlace(const Session& session, QWidget* parent = nullptr);

    void addActionsForAll(const Menus& menus) override;
    [[nodiscard]] int pageCount() const { return static_cast<int>(pages_.size()); }

  public Q_SLOTS:
    /// Asks for a file and writes the sheet as `suffix`, "pdf" or "md".
    void saveAs(const QString& suffix);
    /// Writes to a file ending in .pdf or .md and tells how it went: now if the sheet is ready, else when it is.
    void write(const QString& file);

  protected:
    void showEvent(QShowEvent* event) override;
    void hideEvent(QHideEvent* event) override;
    void resizeEvent(QResizeEvent* event) override;

  private:
    void refresh();
    void fit();
    void writeWhatWaits();

    Session session_;
    QScrollArea* scroll_;
    QVBoxLayout* list_;
    QLabel* note_; ///< until there are pages
    std::vector<QLabel*> pages_;
    bool stale_ = true;
    QString waiting_; ///< a file to write as soon as the sheet is ready
};

} // namespace lariat
