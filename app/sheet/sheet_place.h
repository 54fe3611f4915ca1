// The Sheet place: the printable patch sheet as it will look, its layouts, and its files.
#pragma once

#include "sheet/settings.h"
#include "shell/place.h"

#include <QCheckBox>
#include <QComboBox>
#include <QLabel>
#include <QPushButton>
#include <QScrollArea>
#include <QVBoxLayout>

namespace lariat {

class SheetPlace : public Place {
    Q_OBJECT

  public:
    explicit SheetPlace(const Session& session, QWidget* parent = nullptr);

    void addActionsForAll(const Menus& menus) override;
    [[nodiscard]] int pageCount() const { return static_cast<int>(pages_.size()); }
    [[nodiscard]] const SheetSettings& settings() const { return settings_; }
    void choose(const SheetSettings& settings);

  public Q_SLOTS:
    /// Asks for a file and writes the sheet as `suffix`: "pdf", "svg", "html", "md", "csv", "knobs.csv", "dot".
    void saveAs(const QString& suffix);
    /// Writes to a file and tells how it went, as its ending says: now if the sheet is ready, else when it is.
    void write(const QString& file);

  protected:
    void showEvent(QShowEvent* event) override;
    void hideEvent(QHideEvent* event) override;
    void resizeEvent(QResizeEvent* event) override;

  private:
    QWidget* makeBar();
    void refresh();
    void fit();
    void writeWhatWaits();
    void showSettings();

    Session session_;
    SheetSettings settings_;
    QComboBox* layout_;
    QComboBox* paper_;
    QComboBox* turned_;
    QCheckBox* colour_;
    QMenu* contents_;
    QScrollArea* scroll_;
    QVBoxLayout* list_;
    QLabel* note_; ///< until there are pages
    std::vector<QLabel*> pages_;
    bool stale_ = true;
    QString waiting_; ///< a file to write as soon as the sheet is ready
};

} // namespace lariat
