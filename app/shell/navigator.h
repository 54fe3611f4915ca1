// The way from place to place: "show this cable in the Patch", and back again.
#pragma once

#include "shell/selection.h"

#include <QObject>
#include <QString>

#include <vector>

namespace lariat {

class Navigator : public QObject {
    Q_OBJECT

  public:
    Navigator(Document& document, Selection& selection, QObject* parent = nullptr);

    /// The id of the place that is shown.
    [[nodiscard]] const QString& place() const { return place_; }
    /// Shows a place; what is chosen stays.
    void go(const QString& place);
    /// Shows something in a place. `back` returns to where the user is now.
    void show(const QString& place, Chosen chosen);
    void showCable(int cable);
    void showPost(const std::string& post);
    /// Opens a module in Stock, behind its panel.
    void openModule(const std::string& module);
    /// Where the user came from, as it was chosen there.
    void back();
    [[nodiscard]] bool canGoBack() const { return !before_.empty(); }

  Q_SIGNALS:
    void placeChanged(const QString& place);
    void waysChanged(); ///< whether there is a way back
    void moduleWanted(const std::string& module);

  private:
    struct Spot {
        QString place;
        Chosen chosen;
        bool operator==(const Spot&) const = default;
    };
    void leave();
    void enter(const QString& place);

    Selection& selection_;
    QString place_;
    std::vector<Spot> before_;
};

} // namespace lariat
