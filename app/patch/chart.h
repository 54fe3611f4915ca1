// The cable chart: posts, numbered rows, and the live signal along each row.
#pragma once

#include "patch/chart_layout.h"
#include "patch/live_trace.h"
#include "shell/checker.h"
#include "shell/document.h"
#include "shell/sound.h"

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
    Chart(Document& document, Sound& sound, Checker& checker, QWidget* parent = nullptr);

    [[nodiscard]] int selectedCable() const { return cable_; }
    /// All chosen rows in build order; the one with the keyboard among them.
    [[nodiscard]] std::vector<int> selectedCables() const;
    [[nodiscard]] const std::string& selectedPost() const { return post_; }
    void selectCable(int cable);
    /// Chooses one row more, or lets it go.
    void alsoSelect(int cable);
    void selectAll();
    void selectPost(const std::string& post);

    [[nodiscard]] bool compact() const { return view_.compact; }
    void setCompact(bool compact);
    [[nodiscard]] bool showsNormals() const { return view_.showNormals; }
    void setShowsNormals(bool shown);
    /// Traces stand still.
    [[nodiscard]] bool frozen() const { return frozen_; }
    void setFrozen(bool frozen);

    [[nodiscard]] qreal zoom() const { return view_.zoom; }
    void setZoom(qreal zoom);
    /// Shows these cables and their posts only; nothing: all.
    void showOnly(std::optional<std::set<int>> cables);
    [[nodiscard]] bool showsPart() const { return view_.only.has_value(); }
    /// What is to be changed, drawn over the patch as it is; none: nothing.
    void setPreview(std::vector<Edit> edits);

    void removeSelected();
    /// Moves the selected row by so many places in the build order.
    void moveSelected(int by);

    [[nodiscard]] const ChartLayout& chartLayout() const { return layout_; }
    /// What every frame paints anew: the boxes of the traces that can be seen.
    [[nodiscard]] QRegion liveRegion() const;
    /// The trace drawn for a cable at this moment.
    [[nodiscard]] std::vector<MinMax> traceOf(int cable) const;
    [[nodiscard]] QString readingOf(int cable) const;
    /// All that is measured of it: range, pitch with cents, period, DC, clipping.
    [[nodiscard]] QString wholeReadingOf(int cable) const;
    /// A point of the viewport on a post's line, at the height of a row (or of the first free space).
    [[nodiscard]] QPoint pointOn(const std::string& post, int cable = 0) const;
    /// The middle of a finding's fix, in the viewport; a null point if that finding is not shown.
    [[nodiscard]] QPoint fixPoint(const std::string& rule, std::size_t fix = 0) const;

  Q_SIGNALS:
    void selectionChanged();
    /// A cable was drawn from one post to another; both are to choose their jack.
    void tieRequested(const std::string& fromPost, const std::string& toPost, const QPoint& where);
    /// An end of a cable was drawn to another post, which is to choose a jack.
    void moveRequested(int cable, bool source, const std::string& toPost, const QPoint& where);
    /// The menu of a row, a post or a heading was asked for; what it is for is chosen already.
    void menuRequested(const QPoint& where);
    void headingMenuRequested(const std::string& voice, const std::string& step, const QPoint& where);
    /// Rows were laid out anew, or scrolled.
    void viewChanged();
    /// A fix of a finding was pressed.
    void fixRequested(const Finding& finding, std::size_t fix);

  protected:
    void paintEvent(QPaintEvent* event) override;
    void resizeEvent(QResizeEvent* event) override;
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
    void measureSome();
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
    [[nodiscard]] QRectF traceBox(const ChartRow& row) const;
    [[nodiscard]] std::vector<MinMax> columnsOf(const JackRef& source, int columns) const;
    void paintPosts(QPainter& painter);
    void paintRows(QPainter& painter);
    void paintHeading(QPainter& painter, const ChartRow& row);
    void paintCable(QPainter& painter, const ChartRow& row);
    void paintNormal(QPainter& painter, const ChartRow& row);
    void paintReadings(QPainter& painter, const ChartRow& row, const LiveTrace* trace);
    void paintEnds(QPainter& painter, const ChartRow& row, const QColor& colour, SignalKind kind, int pixels);
    void paintFinding(QPainter& painter, const ChartRow& row);
    [[nodiscard]] std::vector<QRectF> fixBoxes(const ChartRow& row) const;
    [[nodiscard]] int fixUnder(const ChartRow& row, const QPoint& point) const;
    void paintPattern(QPainter& painter, const Pattern& pattern, const QRectF& box);
    void paintHeads(QPainter& painter);
    void paintEmpty(QPainter& painter);
    void paintDrag(QPainter& painter);
    void paintHover(QPainter& painter);
    void paintPreview(QPainter& painter);
    [[nodiscard]] bool isChosen(int cable) const { return cable == cable_ || also_.contains(cable); }
    void select(int cable, Qt::KeyboardModifiers with);

    Document& document_;
    Sound& sound_;
    Checker& checker_;
    ChartView view_;
    ChartLayout layout_;
    std::map<JackRef, LiveTrace> traces_;
    std::map<JackRef, std::vector<MinMax>> held_; ///< pictures while frozen
    QPixmap page_; ///< everything but the traces; made anew only when something on it changes
    bool pageStale_ = true;
    std::size_t nextToMeasure_ = 0;
    QTimer frames_;
    bool frozen_ = false;
    int cable_ = 0;
    std::set<int> also_; ///< rows chosen beside it
    std::string post_;
    std::vector<Edit> preview_;
    QPoint hover_{-1, -1};
    Drag drag_ = Drag::None;
    QPoint dragStart_;
    QPoint dragAt_;
    std::string dragPost_;
};

} // namespace lariat
