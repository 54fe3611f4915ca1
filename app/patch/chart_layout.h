// Where everything stands on the cable chart: pure geometry, made anew after every change.
#pragma once

#include "engine/graph.h"
#include "findings/finding.h"
#include "model/patch.h"

#include <QRectF>
#include <QString>

#include <optional>
#include <set>
#include <vector>

namespace lariat {

/// How the chart is shown.
struct ChartView {
    qreal width = 954;
    bool compact = false;
    bool showNormals = true;
    qreal zoom = 1.0; ///< of rows and of the room between posts; type keeps its size
    int untilRow = 0; ///< only the first so many rows; 0: all
    /// Only these cables, and the posts at their ends; nothing: all.
    std::optional<std::set<int>> only{};
};

struct ChartPost {
    std::string id;
    qreal x = 0;
    QRectF head; ///< the card with name and knobs; y counts from the top of the chart
};

struct ChartRow {
    enum class Kind { Heading, Cable, Normal, Finding, Open } kind = Kind::Cable;
    qreal top = 0; ///< counted from the first row, below the heads
    qreal height = 0;
    int cable = 0; ///< Cable::id
    JackRef from;
    JackRef to;
    qreal fromX = 0;
    qreal toX = 0;
    QString heading;
    std::string voice{}; ///< of the heading that the row stands under
    std::string step{};
    bool folded = false;     ///< of a heading: its rows are hidden
    std::size_t finding = 0; ///< index into the findings
    int openEnd = 0;         ///< OpenEnd::id; one of `from` and `to` is empty then
};

struct ChartLayout {
    static constexpr qreal kGutter = 44;     ///< row numbers and finding marks
    static constexpr qreal kReadings = 130;  ///< figures at the right
    static constexpr qreal kWordsLeft = 56;  ///< jack words before the first post
    static constexpr qreal kWordsRight = 48; ///< jack words behind the last one
    static constexpr qreal kReach = 12;      ///< how near a post's line the pointer has to be
    static constexpr qreal kHeadHeight = 58;
    static constexpr qreal kHeadGap = 6;

    std::vector<ChartPost> posts;
    std::vector<ChartRow> rows;
    qreal headsHeight = 0;   ///< one or two tiers of heads
    qreal contentWidth = 0;  ///< from the gutter to the readings
    qreal contentHeight = 0; ///< of all rows

    /// Lays out a patch. Neighbouring posts that a cable joins directly stand further apart, so that its trace
    /// has room; heads alternate between two tiers where one would be too narrow.
    /// A finding gets a row of its own below its cable, or below the last cable into its post.
    static ChartLayout of(const Patch& patch, const std::vector<NormalInEffect>& normals,
                          const std::vector<Finding>& findings, const ChartView& view);

    [[nodiscard]] const ChartPost* post(const std::string& id) const;
    [[nodiscard]] const ChartRow* cableRow(int cable) const;
    /// The row at a height below the heads, or nullptr.
    [[nodiscard]] const ChartRow* rowAt(qreal y) const;
    /// The post whose line passes within `reach` of x, or nullptr.
    [[nodiscard]] const ChartPost* postNear(qreal x, qreal reach) const;
};

/// "Lead · make it sound", as cables are grouped.
QString headingOf(const Cable& cable);

} // namespace lariat
