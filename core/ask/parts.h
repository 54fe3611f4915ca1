// What the questions share: figures in words, and pictures of tracks.
#pragma once

#include "ask/ask.h"

#include <span>

namespace lariat {

std::string voltsText(double volts);      ///< "+4.98 V"
std::string timeText(double seconds);     ///< "310 ms", "0.42 ms", "1.24 s"
std::string hertzText(double hertz);      ///< "36.8 Hz", "1.48 kHz", "0.125 Hz"
std::string noteText(double hertz);       ///< "36.8 Hz · D1 +3"
std::string decibelText(double decibels); ///< "-9.1 dB"
std::string centsText(double cents);      ///< "+3 cents"
std::string percentText(double percent);  ///< "4.1 %", "0.03 %"

/// Adds a figure; without a value it is a text only.
void addFigure(Answer& answer, std::string id, Sentence name, std::string text, std::optional<double> value = {},
               int track = -1, bool bad = false);

/// A stretch of a track as columns of ranges.
std::vector<MinMax> columnsOf(std::span<const float> volts, std::size_t columns);
/// The samples of a track behind `from` seconds.
std::span<const float> samplesFrom(const Trace& track, double from);
/// Round ends for an axis of volts that holds this range.
PlotAxis voltAxis(double low, double high);
inline constexpr std::size_t kPlotColumns = 900;

} // namespace lariat
