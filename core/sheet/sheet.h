// The patch sheet: everything one needs to build the patch again, as a document that writers can print.
#pragma once

#include "findings/finding.h"
#include "log/heard.h"
#include "measure/reading.h"
#include "sheet/settings.h"

#include <memory>
#include <string>
#include <vector>

namespace lariat {

struct SheetKnob {
    std::string name;
    std::string value;
    std::string hand;      ///< clock-hand position; empty for a switch
    double fraction = 0.0; ///< of the travel
    bool isSwitch = false;
    std::string note{};
    bool unknown = false; ///< nobody knows where it stands: value says what is known, hand is empty
    bool atRest = false;  ///< it stands where it stood before anybody touched it
    std::string idle{};   ///< why it does nothing here; empty: it does
    /// What somebody who builds it again has to turn.
    [[nodiscard]] bool matters() const { return unknown || !note.empty() || (!atRest && idle.empty()); }
};

struct SheetPost {
    std::string name;
    std::string module;
    std::string part;  ///< of the module, where that has several
    std::string place; ///< "row 2, HP 41"
    std::string voice;
    std::vector<SheetKnob> knobs;
    std::string note{};
};

struct SheetRow {
    int number = 0;
    std::string from; ///< "Follower saw"
    std::string to;
    std::string fromJack; ///< the jack words alone
    std::string toJack;
    std::string heading; ///< "Lead · make it sound"
    std::string voice;
    std::string note;
    std::string length; ///< "30 cm"; empty if not chosen
    std::string colour;
    std::string range;
    std::string detail;
    SignalKind kind = SignalKind::Control;
    std::string kindWord;
    bool late = false;        ///< closes a loop and arrives a sample late in the simulation
    std::size_t fromPost = 0; ///< index into posts
    std::size_t toPost = 0;
    std::vector<MinMax> trace; ///< the signal of the sheet's window, in volts
};

struct SheetCount {
    std::string what; ///< "30 cm blue"
    int count = 0;
    int owned = 0;
};

struct SheetLine {
    std::string name;
    std::vector<std::string> steps;
    std::string exact{}; ///< of a line of steps: all of it as a sentence that can be read (building/sentences.h)
};

struct Answer; // of the Bench; who prints pictures knows what it is

/// A question that was asked for the sheet, and its answer.
struct SheetAnswer {
    std::string question;
    std::string sentence;                   ///< of the answer, or why there is none
    std::shared_ptr<const Answer> answer{}; ///< with its pictures and figures; nothing if there is none
};

struct Sheet {
    Speaker speak = inEnglish;
    std::string title;
    std::string about;
    std::string key;
    std::string tempo;
    std::string caseName;
    std::vector<SheetPost> posts;
    std::vector<SheetRow> rows;
    std::vector<SheetCount> cables;
    std::vector<SheetLine> pattern;
    std::vector<std::string> scenes;  ///< scenes and moves in words, in their order
    std::vector<SheetLine> tables;    ///< what ports of MIDI converters give, by converter
    std::vector<std::string> normals; ///< "Contour 1 gate feeds Contour 2 gate"
    std::vector<std::string> expect;  ///< what the meters should say at the way out
    std::vector<std::string> findings;
    std::vector<std::string> kept; ///< findings that are meant, with the reason
    std::vector<std::string> cautions;
    std::string unknown;                     ///< "7 of 61 knobs unknown"; empty: none
    std::vector<std::string> notes{};        ///< on the patch, its posts and rows
    std::vector<std::string> headroom{};     ///< per cable of sound
    std::vector<std::string> calibrations{}; ///< knobs that were read off the metal
    std::vector<std::string> unknowns{};
    std::vector<std::string> secondPlayer{};
    std::vector<std::string> putBack{};
    std::vector<std::string> takeApart{};
    Thumb sound{};
    Figures figures{}; ///< of what it sounds like
    std::vector<SheetAnswer> answers{};
};

/// Lines under a heading, as all writers print them.
struct SheetList {
    SheetPart part = SheetPart::Notes;
    std::string heading;
    std::vector<std::string> lines;
};
/// Those of a sheet that have lines and are wanted, in their order: everything but chart, cables, knobs, pattern,
/// sound.
std::vector<SheetList> listsOf(const Sheet& sheet, const SheetSettings& settings);

/// Seconds that each row's trace shows.
inline constexpr double kSheetWindow = 1.2;

/// `speak` gives the language of what is written, here and by those who print the sheet.
Sheet makeSheet(const Observation& observation, const std::vector<Finding>& findings, const Speaker& speak = inEnglish);

/// "Key D minor · 112 BPM · Two-row case · 21 cables".
std::string summary(const Sheet& sheet);

/// The sheet as Markdown (CommonMark with tables).
std::string writeMarkdown(const Sheet& sheet, const SheetSettings& settings = settingsFor(SheetLayout::Archive));
/// What a page of HTML has from elsewhere.
struct HtmlParts {
    std::string chart{};                ///< SVG that stands where the chart does
    std::vector<std::string> answers{}; ///< SVG of each answer, in their order; empty where there is none
    std::string carried{};              ///< what travels in it (stock/carried.h)
};
/// As one page of HTML that needs nothing else.
std::string writeHtml(const Sheet& sheet, const SheetSettings& settings, const HtmlParts& parts);
/// Rows of commas: the cables, and the knobs of all posts.
std::string writeCableCsv(const Sheet& sheet);
std::string writeKnobCsv(const Sheet& sheet);
/// The wiring for graph layout programs: posts are nodes, cables edges with their jacks.
std::string writeDot(const Sheet& sheet);

} // namespace lariat
