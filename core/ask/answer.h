// An answer of the Bench: one plain sentence, figures, pictures, and what may be done about it. A value without any
// interface: the window paints it, the command line prints it, a sheet takes it.
#pragma once

#include "building/edits.h"
#include "engine/tap.h"
#include "library/library.h"
#include "model/patch.h"
#include "units/sentence.h"

#include <functional>
#include <optional>
#include <string>
#include <vector>

namespace lariat {

enum class Question { Shape, Note, Same, Loud, Content, Relate, Better, Real };
inline constexpr int kQuestionCount = 8;
/// "shape", "note", "same", "loud", "content", "relate", "better", "real": as the command line calls them.
const char* questionId(Question question);
std::optional<Question> questionNamed(std::string_view id);
/// "What shape is it?"
Sentence questionText(Question question);

/// One figure, as it is read and as it is exported.
struct AskedFigure {
    std::string id; ///< "t60-ms"; of one of several, with its number: "period-ms-2"
    Sentence name;
    std::string text;            ///< "310 ms"
    std::optional<double> value; ///< in the unit that ends the id; nothing: a text only
    int track = -1;              ///< which of the tracks it speaks of; -1: of the whole
    bool bad = false;            ///< it is what the verdict warns of
};

struct PlotAxis {
    std::string unit; ///< "V", "ms", "Hz", "dB", "cents", "s"; empty: a count
    double low = 0.0;
    double high = 1.0;
    bool log = false;

    /// The value at a part, 0…1, of its length, and back.
    [[nodiscard]] double at(double part) const;
    [[nodiscard]] double part(double value) const;
};

/// A line of a picture. `track` chooses its colour and trace style; -1: ink.
struct PlotCurve {
    Sentence name{};
    int track = -1;
    SignalKind kind = SignalKind::Control;
    std::vector<MinMax> columns{};                 ///< a trace over the whole width …
    std::vector<std::pair<float, float>> points{}; ///< … or a line through points; NaN parts it
    bool alarm = false;
};

struct PlotBar {
    std::string label;
    double value = 0.0;
    int track = -1;
    bool alarm = false;
    std::string text{}; ///< over it
};

/// A line across the picture, with a word.
struct PlotMark {
    bool upright = false;
    double at = 0.0;
    Sentence text{};
    bool alarm = false;
};

/// A field of levels over time (columns) and frequency (rows, lowest first), 0…1.
struct PlotField {
    std::size_t columns = 0;
    std::size_t rows = 0;
    std::vector<float> levels; ///< column by column
};

struct Plot {
    std::string id; ///< "traces", "pitch", "hits"
    Sentence title;
    PlotAxis x{};
    PlotAxis y{};
    std::vector<PlotCurve> curves{};
    std::vector<PlotBar> bars{};
    std::vector<PlotMark> marks{};
    PlotField field{};
    double share = 1.0; ///< of the height, against the others
    bool lanes = false; ///< each curve in a lane of its own, with the whole of y
};

/// What may be done about it: edits, tried or not.
struct AskedOffer {
    Sentence label;
    Edits edits;
    std::string module{}; ///< instead of the patch, the module of that id is to be changed …
    std::function<Result<ModuleInfo>(const ModuleInfo&)> change{}; ///< … like this
};

struct Answer {
    Question question = Question::Shape;
    Sentence verdict;
    Sentence more{};              ///< a second sentence; may be empty
    std::vector<Sentence> also{}; ///< what else there is to say, in a few words each
    std::vector<AskedFigure> figures{};
    std::vector<Plot> plots{};
    std::vector<AskedOffer> offers{};
    std::vector<std::string> tracks{}; ///< their names, by number

    [[nodiscard]] const AskedFigure* figure(std::string_view id) const;
};

/// Figures as a table: "figure,value,unit,text,of" and one line each.
std::string answerCsv(const Answer& answer);
/// All of it but the pictures, as JSON; points of curves with `curves`.
std::string answerJson(const Answer& answer, bool curves = false);

} // namespace lariat
