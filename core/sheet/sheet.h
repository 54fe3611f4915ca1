// The patch sheet: everything one needs to build the patch again, as a document that writers can print.
#pragma once

#include "findings/finding.h"
#include "measure/reading.h"

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
};

struct SheetPost {
    std::string name;
    std::string module;
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
    std::string unknown; ///< "7 of 61 knobs unknown"; empty: none
};

/// Seconds that each row's trace shows.
inline constexpr double kSheetWindow = 1.2;

/// `speak` gives the language of what is written, here and by those who print the sheet.
Sheet makeSheet(const Observation& observation, const std::vector<Finding>& findings, const Speaker& speak = inEnglish);

/// "Key D minor · 112 BPM · Two-row case · 21 cables".
std::string summary(const Sheet& sheet);

/// The sheet as Markdown (CommonMark with tables).
std::string writeMarkdown(const Sheet& sheet);

} // namespace lariat
