// The cable chart: posts, numbered rows, and the live signal along each row.
#pragma once

#include "patch/chart_layout.h"
#include "patch/empty_chart.h"
#include "shell/session.h"

#include <QAbstractScrollArea>
#include <QPixmap>
#include <QTimer>

#include <map>
#include <optional>
#include <set>

namespace lariat {

class Chart : public QAbstractScrollArea {
    Q_OBJECT

  public:
    explicit Chart(const Session& session, QWidget* parent = nullptr);

    [[nodiscard]] const Selection& selection() const { return selection_; }
    /// Chooses every row that is shown.
    void selectAll();

    [[nodiscard]] bool compact() const { return view_.compact; }
    void setCompact(bool compact);
    [[nodiscard]] bool showsNormals() const { return view_.showNormals; }
    void setShowsNormals(bool shown);
    [[nodiscard]] qreal zoom() const { return view_.zoom; }
    void setZoom(qreal zoom);
    /// Shows these cables and their posts only; nothing: all.
    void showOnly(std::optional<std::set<int>> cables);
    [[nodiscard]] bool showsPart() const { return view_.only.has_value(); }
    /// Scrolls as little as brings a row or post into sight; what is chosen stays.
    void reveal(int cable, const std::string& post);
    /// What is to be changed, drawn over the patch as it is; none: nothing.
    void setPreview(std::vector<Edit> edits);

    void removeSelected();
    /// Moves the selected row by so many places in the build order.
    void moveSelected(int by);

    /// The rows as they stand, for a screen reader: the sentence of each, its place on the screen, whether it is
    /// chosen.
    [[nodiscard]] int rowCount() const { return static_cast<int>(layout_.rows.size()); }
    [[nodiscard]] QString rowText(int index) const;
    [[nodiscard]] QRect rowRect(int index) const;
    [[nodiscard]] bool rowChosen(int index) const;
    [[nodiscard]] const ChartLayout& chartLayout() const { return layout_; }
    /// What every frame paints anew: the boxes of the traces that can be seen.
    [[nodiscard]] QRegion liveRegion() const;
    /// The trace drawn for a cable at this moment.
    [[nodiscard]] std::vector<MinMax> traceOf(int cable) const;
    [[nodiscard]] QString readingOf(int cable) const;
    /// A point of the viewport on a post's line, at the height of a row (or of the first free space).
    [[nodiscard]] QPoint pointOn(const std::string& post, int cable = 0) const;
    /// The middle of a finding's fix, in the viewport; a null point if that finding is not shown.
    [[nodiscard]] QPoint fixPoint(const std::string& rule, std::size_t fix = 0) const;

  Q_SIGNALS:
    /// A cable was drawn from one post to another; both are to choose their jack.
    void tieRequested(const std::string& fromPost, const std::string& toPost, const QPoint& where);
    /// An end of a cable was drawn to another post, which is to choose a jack.
    void moveRequested(int cable, bool source, const std::string& toPost, const QPoint& where);
    /// The menu of a row, a post or a heading was asked for; what it is for is chosen already.
    void menuRequested(const QPoint& where);
    void headingMenuRequested(std::string voice, std::string step, QPoint where);
    /// Rows were laid out anew, or scrolled.
    void viewChanged();
    /// A fix of a finding was pressed.
    void fixRequested(const Finding& finding, std::size_t fix);

  protected:
    void paintEvent(QPaintEvent* event) override;
    void resizeEvent(QResizeEvent* event) override;
    void showEvent(QShowEvent* event) override;
    void hideEvent(QHideEvent* event) override;
    void scrollContentsBy(int dx, int dy) override;
    void changeEvent(QEvent* event) override;
    void mousePressEvent(QMouseEvent* event) override;
    void mouseMoveEvent(QMouseEvent* event) override;
    void mouseReleaseEvent(QMouseEvent* event) override;
    void wheelEvent(QWheelEvent* event) override;
    void contextMenuEvent(QContextMenuEvent* event) override;
    void leaveEvent(QEvent* event) override;
    void keyPressEvent(QKeyEvent* event) override;
    bool viewportEvent(QEvent* event) override;

  private:
    enum class Drag { None, Tie, Row, Head, Source, Target };

    void relayout();
    [[nodiscard]] int anchor() const;
    /// A folded heading that has the keyboard.
    [[nodiscard]] bool isKeyed(const ChartRow& row) const {
        return row.kind == ChartRow::Kind::Heading && heading_ == std::pair(row.voice, row.step);
    }
    void fold(const ChartRow& heading);
    void wantReadings();
    void showChosen();
    void redraw();
    [[nodiscard]] QPointF toContent(const QPoint& point) const;
    [[nodiscard]] qreal rowsTop() const { return layout_.headsHeight; }
    void ensureVisible(int cable);
    void showAcross(qreal left, qreal right);
    [[nodiscard]] int rowUnder(const QPoint& point) const;
    [[nodiscard]] const Finding* findingOf(int cable, const std::string& post) const;

    void paintPage();
    void paintTrace(QPainter& painter, const ChartRow& row);
    void repaintRows(const JackRef& source);
    void placeTraces();
    [[nodiscard]] QRectF traceBox(const ChartRow& row) const;
    void paintAside(QPainter& painter, const ChartRow& row, const QColor& colour);
    void paintPosts(QPainter& painter);
    void paintRows(QPainter& painter);
    void paintHeading(QPainter& painter, const ChartRow& row);
    void paintCable(QPainter& painter, const ChartRow& row);
    void paintNormal(QPainter& painter, const ChartRow& row);
    void paintOpenEnd(QPainter& painter, const ChartRow& row);
    void paintReadings(QPainter& painter, const ChartRow& row, const LiveTrace* trace);
    void paintEnds(QPainter& painter, const ChartRow& row, const QColor& colour, SignalKind kind, int pixels);
    void paintFinding(QPainter& painter, const ChartRow& row);
    [[nodiscard]] std::vector<QRectF> fixBoxes(const ChartRow& row) const;
    [[nodiscard]] int fixUnder(const ChartRow& row, const QPoint& point) const;
    void paintPattern(QPainter& painter, const Pattern& pattern, const QRectF& box);
    void paintHeads(QPainter& painter);
    void paintDrag(QPainter& painter);
    void paintHover(QPainter& painter);
    void paintPreview(QPainter& painter);
    void select(int cable, Qt::KeyboardModifiers with);
    void press(QMouseEvent& event);

    Document& document_;
    Sound& sound_;
    Checker& checker_;
    Selection& selection_;
    Readings& readings_;
    ChartView view_;
    ChartLayout layout_;
    std::map<int, QRectF> aside_; ///< where the trace of a short cable stands instead of between its ends
    std::optional<std::pair<std::string, std::string>> heading_; ///< the folded one that has the keyboard
    QPixmap page_; ///< everything but the traces; made anew only when something on it changes
    bool pageStale_ = true;
    QTimer frames_;
    EmptyChart* empty_ = nullptr;
    std::vector<Edit> preview_;
    QPoint hover_{-1, -1};
    Drag drag_ = Drag::None;
    bool underHand_ = false; ///< the mouse is choosing: what it points at does not move away from it
    QPoint dragStart_;
    QPoint dragAt_;
    std::string dragPost_;
};

} // namespace lariat
