// Where everything of the Time place stands: for each sequencer a heading with its axis, its lines, and under each line
// what it causes. Causes and effects share one time axis, counted in clock pulses.
#pragma once

#include "timing/pattern_edits.h"
#include "timing/responses.h"

#include <QPointF>
#include <QRectF>
#include <QString>

#include <functional>
#include <string>
#include <vector>

namespace lariat {

struct TimeRow {
    enum class Kind { Heading, Track, Lane, Faders, Fill, Contour, Tune, Sound, More, Clocks, Clock };
    Kind kind = Kind::Heading;
    std::size_t section = 0;
    LineRef line;  ///< of a line, or the one that causes what is shown; an empty post: none
    int index = 0; ///< of a response, among the contours, tunes or sounds; of a clock, among the branches
    qreal top = 0;
    qreal height = 0;

    [[nodiscard]] qreal bottom() const { return top + height; }
    [[nodiscard]] bool isLine() const { return kind >= Kind::Track && kind <= Kind::Fill; }
};

/// A sequencer on the page.
struct TimeSection {
    Sequencer sequencer;
    int variation = 0;
    long page = 16;  ///< clock pulses that are shown
    long first = 0;  ///< the pulse of the cycle at which the page begins
    long passes = 1; ///< pages of the cycle
    long pass = 0;   ///< the one that is shown
    qreal left = 0;  ///< x of its first pulse
    qreal pulseWidth = 1;
};

/// A step as it stands on the page.
struct StepBox {
    int step = 0;
    double from = 0.0; ///< in pulses of the cycle, with swing
    double to = 0.0;
    bool again = false; ///< the line has turned over: it is played once more
};

struct TimeView {
    qreal width = 1000;
    qreal zoom = 1.0; ///< 1: the page fits
    std::function<int(const std::string&)> variation = [](const std::string&) { return 0; };
    std::function<long(const std::string&)> pass = [](const std::string&) { return 0L; };
    int clocks = 0; ///< branches of the clock tree
    std::function<const Responses*(const std::string&)> responses = [](const std::string&) { return nullptr; };
    /// Height of what is said beside a response.
    std::function<qreal(const std::vector<Fact>&)> factsHeight = [](const std::vector<Fact>&) { return 0.0; };
};

struct TimeLayout {
    static constexpr qreal kHead = 264; ///< width of what is said beside the rows
    static constexpr qreal kAxis = 56;  ///< height of a heading
    static constexpr qreal kTrack = 112;
    static constexpr qreal kLane = 36;

    std::vector<TimeSection> sections;
    std::vector<TimeRow> rows;
    qreal width = 0;
    qreal height = 0;

    [[nodiscard]] const TimeSection& sectionOf(const TimeRow& row) const { return sections[row.section]; }
    /// -1: none.
    [[nodiscard]] int rowAt(qreal y) const;
    [[nodiscard]] const TimeRow* rowOf(const LineRef& line) const;
    /// The x of a pulse of the cycle.
    [[nodiscard]] static qreal xOf(const TimeSection& section, double pulse) {
        return section.left + (pulse - static_cast<double>(section.first)) * section.pulseWidth;
    }
    [[nodiscard]] static double pulseAt(const TimeSection& section, qreal x) {
        return static_cast<double>(section.first) + (x - section.left) / section.pulseWidth;
    }
};

TimeLayout layOutTime(const Patch& patch, const Library& library, const TimeView& view);

/// The steps of a line on the page, in order of time.
std::vector<StepBox> stepsOnPage(const TimeSection& section, const Stride& stride, int steps);
/// The same of steps that last so many pulses each.
std::vector<StepBox> stepsOnPage(const TimeSection& section, const std::vector<int>& pulses);

} // namespace lariat
