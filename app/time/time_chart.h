// The Time chart: steps above, what they cause below, on one axis of clock pulses. Lines are edited in it by mouse and
// keys.
//
// Mouse: in a track, a press on a free place writes a note there; a note is dragged up and down along the key (Alt:
// by semitones), its end sets the gate. In a lane, a press paints hits or, begun on a hit, takes them away; with Alt
// accents. Shift and a drag choose steps. Keys: words of our step notation, typed at the cursor.
#pragma once

#include "time/line_editor.h"
#include "time/responder.h"
#include "time/time_layout.h"

#include "look/look.h"

#include <QAbstractScrollArea>
#include <QPixmap>
#include <QTimer>

#include <map>
#include <optional>
#include <set>

namespace lariat {

class TimeChart : public QAbstractScrollArea {
    Q_OBJECT

  public:
    TimeChart(const Session& session, LineEditor& editor, Responder& responder, QWidget* parent = nullptr);

    [[nodiscard]] const TimeLayout& timeLayout() const { return layout_; }
    void setZoom(qreal zoom);
    [[nodiscard]] qreal zoom() const { return zoom_; }
    /// Shows another page of a cycle that is longer than its longest line.
    void turnPage(const std::string& post, long by);
    /// Steps that a figure speaks of; drawn as marked until something else is.
    void mark(const LineRef& line, std::set<int> steps);
    [[nodiscard]] const std::set<int>& marked() const { return marked_; }
    void reveal(const LineRef& line);

    /// In the viewport: the box of a step, of its note, and of a fact beside the response of a post.
    [[nodiscard]] QRectF stepBox(const LineRef& line, int step) const;
    [[nodiscard]] QRectF noteBox(const LineRef& line, int step) const;
    [[nodiscard]] QPointF noteAt(const LineRef& line, int step, int note) const;
    [[nodiscard]] QRectF variationBox(const std::string& post, int variation) const;
    [[nodiscard]] QRectF factBox(const std::string& post, std::size_t fact) const;
    [[nodiscard]] QRectF moreBox(const LineRef& line) const;
    /// The step that a line plays now; -1: none.
    [[nodiscard]] int playing(const LineRef& line) const;
    /// Where on the page that is, as far as a line that fills the page tells; nothing: that is not known.
    [[nodiscard]] std::optional<double> playingPulse(const TimeSection& section) const;

  Q_SIGNALS:
    void menuRequested(const QPoint& where);
    /// A note, rest or tie was typed at the cursor: our step notation.
    void typed(const QString& word);
    void octaveRequested(int by);
    void message(const QString& text, bool refusal);
    void viewChanged();

  protected:
    void paintEvent(QPaintEvent* event) override;
    void resizeEvent(QResizeEvent* event) override;
    void showEvent(QShowEvent* event) override;
    void hideEvent(QHideEvent* event) override;
    void changeEvent(QEvent* event) override;
    void scrollContentsBy(int dx, int dy) override;
    void mousePressEvent(QMouseEvent* event) override;
    void mouseMoveEvent(QMouseEvent* event) override;
    void mouseReleaseEvent(QMouseEvent* event) override;
    void mouseDoubleClickEvent(QMouseEvent* event) override;
    void wheelEvent(QWheelEvent* event) override;
    void contextMenuEvent(QContextMenuEvent* event) override;
    void keyPressEvent(QKeyEvent* event) override;
    void focusInEvent(QFocusEvent* event) override;
    void focusOutEvent(QFocusEvent* event) override;
    void dragEnterEvent(QDragEnterEvent* event) override;
    void dragMoveEvent(QDragMoveEvent* event) override;
    void dropEvent(QDropEvent* event) override;
    bool viewportEvent(QEvent* event) override;

  private:
    enum class Drag { None, Choose, Pitch, Gate, Paint, Fader, FaderEnd };
    struct Range {
        int low = 54;
        int high = 66;
    };

    void relayout();
    void redraw();
    void tick();
    void sayWhatIsChosen();
    [[nodiscard]] QPointF toContent(const QPointF& point) const;
    [[nodiscard]] QRectF toView(const QRectF& box) const;
    [[nodiscard]] std::optional<StepBox> boxAt(const TimeRow& row, qreal x) const;
    [[nodiscard]] std::vector<StepBox> boxesOf(const TimeRow& row) const;
    [[nodiscard]] const Track* trackOf(const TimeRow& row) const;
    [[nodiscard]] const Lane* laneOf(const TimeRow& row) const;
    [[nodiscard]] Range rangeOf(const TimeRow& row, const Track& track) const;
    [[nodiscard]] qreal noteY(const TimeRow& row, const Range& range, int note) const;
    [[nodiscard]] int noteAtY(const TimeRow& row, const Range& range, qreal y) const;
    [[nodiscard]] QRectF barOf(const TimeRow& row, const Range& range, const Step& step, const StepBox& box) const;
    [[nodiscard]] std::vector<QRectF> letterBoxes(const TimeRow& row) const;
    [[nodiscard]] std::pair<QRectF, QRectF> pageBoxes(const TimeRow& row) const;
    [[nodiscard]] std::vector<std::pair<QRectF, LineRef>> moreBoxes(const TimeRow& row) const;
    [[nodiscard]] std::vector<QRectF> factBoxes(const TimeRow& row) const;
    [[nodiscard]] const std::vector<Fact>* factsOf(const TimeRow& row) const;

    void press(const TimeRow& row, const QPointF& at, Qt::KeyboardModifiers with);
    void pressTrack(const TimeRow& row, const StepBox& box, const QPointF& at, Qt::KeyboardModifiers with);
    void pressLane(const StepBox& box, Qt::KeyboardModifiers with);
    void dragTo(const QPointF& at, Qt::KeyboardModifiers with);
    [[nodiscard]] bool isFaderEnd(const TimeRow& row, const StepBox& box, qreal x) const;
    void setFaderEnd(const TimeRow& row, qreal x);
    void setFader(const TimeRow& row, const StepBox& box, qreal y);
    void moveCursor(int by, bool extend);
    void goToLine(int by);
    bool typeKey(QKeyEvent& event);

    void paintPage();
    void paintPlaying(QPainter& painter, const QRect& part) const;
    void paintPicture(QPainter& painter, const QRectF& box, const TimeSection& section,
                      const std::vector<MinMax>& picture, VoltRange range, SignalKind kind) const;
    void paintHeading(QPainter& painter, const TimeRow& row) const;
    void paintHead(QPainter& painter, const TimeRow& row) const;
    void paintGrid(QPainter& painter, const TimeRow& row) const;
    void paintTrack(QPainter& painter, const TimeRow& row) const;
    void paintLane(QPainter& painter, const TimeRow& row) const;
    static void paintUnknown(QPainter& painter, const QRectF& bar, const QColor& colour, qreal width);
    void paintFaders(QPainter& painter, const TimeRow& row) const;
    void paintFill(QPainter& painter, const TimeRow& row) const;
    void paintContour(QPainter& painter, const TimeRow& row) const;
    void paintTune(QPainter& painter, const TimeRow& row) const;
    void paintSound(QPainter& painter, const TimeRow& row) const;
    void paintMore(QPainter& painter, const TimeRow& row) const;
    void paintClocks(QPainter& painter, const TimeRow& row) const;
    void paintClock(QPainter& painter, const TimeRow& row) const;
    void paintFacts(QPainter& painter, const TimeRow& row, qreal top) const;
    void paintChosen(QPainter& painter, const TimeRow& row) const;
    [[nodiscard]] std::vector<MinMax> columnsOf(const TimeSection& section, const std::vector<MinMax>& picture,
                                                qreal scale) const;
    [[nodiscard]] QString tip(const TimeRow& row, const QPointF& at) const;
    [[nodiscard]] QString lineDescription(const TimeRow& row) const;
    [[nodiscard]] QString nameOf(const LineRef& line) const;

    Session session_;
    LineEditor& editor_;
    Responder& responder_;
    TimeLayout layout_;
    qreal zoom_ = 1.0;
    std::map<std::string, long> pass_;
    LineRef markedLine_;
    std::set<int> marked_;
    QPixmap page_; ///< everything but the steps that play; made anew only when something on it changes
    bool stale_ = true;
    QTimer frames_;
    std::map<std::string, Told> told_; ///< the steps that play, as painted last
    Drag drag_ = Drag::None;
    LineRef dragLine_;
    qreal faderLeft_ = 0; ///< of the step whose end is drawn, when the hand took hold
    qreal faderPulse_ = 1;
    int dragStep_ = -1; ///< where it began
    int dragLast_ = -1; ///< where it was last
    Hit dragHit_ = Hit::Hit;
    QString dragName_; ///< tells one movement from another in the history
    int dragCount_ = 0;
    std::optional<Range> held_; ///< heights do not move under the hand that drags a note
    int anchor_ = -1;           ///< from which Shift chooses
};

} // namespace lariat
