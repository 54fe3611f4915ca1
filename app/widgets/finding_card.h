// A finding as a card: what is wrong, the figure that shows it, and its fixes.
#pragma once

#include "findings/finding.h"

#include <QFrame>
#include <QLabel>
#include <QVBoxLayout>

namespace lariat {

class FindingCard : public QFrame {
    Q_OBJECT

  public:
    /// `where` is shown at the top: "Cable 7", "Mixer".
    FindingCard(const QString& where, const Finding& finding, QWidget* parent = nullptr);
    /// Says why it was dismissed, and offers to let it speak again instead of its fixes.
    FindingCard(const QString& where, const Dismissed& kept, QWidget* parent = nullptr);

    /// Offers to show the way on which it was found, and lists it if it is open: a line for each link, from the ear to
    /// the place.
    void addWalk(const Finding& finding, const Patch& patch, const Library& library, bool open);

  Q_SIGNALS:
    void fixChosen(std::size_t fix);
    /// The pointer or the keyboard is on a fix; -1: on none any more.
    void fixLookedAt(int fix);
    void dismissed();
    /// The knob that a fix turns is to be found by what is to be measured.
    void findWanted(const std::string& post, const std::string& knob);
    /// The way is to be opened, or closed; and a link of it was chosen.
    void whyAsked();
    void linkChosen(std::size_t link);
    void restored();
    /// The card itself was clicked: what it is about is to be chosen.
    void chosen();

  protected:
    void mousePressEvent(QMouseEvent* event) override;

  private:
    void addText(const QString& text, bool strong);
    QLabel* addLink(const QString& text, const QString& tip, const std::function<void()>& chosen, int fix);

    QVBoxLayout* layout_ = nullptr;
};

} // namespace lariat
