// What a cable's signal is, in a few figures: the readings at the end of a row, live or on a sheet.
#pragma once

#include "blocks/block.h"
#include "engine/graph.h"
#include "engine/tap.h"
#include "measure/measure.h"
#include "measure/pitch_track.h"
#include "units/sentence.h"

#include <optional>
#include <span>
#include <string>
#include <vector>

namespace lariat {

struct Reading {
    SignalKind kind = SignalKind::Control; ///< as measured; the jack decides only where measuring cannot
    Volts min{};
    Volts max{};
    Volts dc{};                       ///< mean of the newest samples
    std::optional<Hertz> pitch;       ///< of an audio signal, or the rate of a clock
    std::optional<Seconds> highTime;  ///< longest time that a gate stays open
    double clarity = 0.0;             ///< of the pitch, see PitchReading
    std::optional<PitchSummary> over; ///< of an audio signal: its pitch over a while, which is what the words say
    bool comesAndGoes = false;        ///< audio whose level falls to a quarter now and then, as behind a VCA
    bool clips = false;               ///< goes beyond the linear ±10 V
};

/// Reads a signal from its newest samples and the ranges of a longer past (see Tap). `jack` is the kind of
/// the output it comes from.
Reading readSignal(std::span<const float> samples, double rate, std::span<const MinMax> spans, double spanSeconds,
                   SignalKind jack);
/// The same from one recording in volts.
Reading readRecording(std::span<const float> volts, double rate, SignalKind jack);

/// Where the pitch of a sound is set.
struct PitchSource {
    JackRef output;        ///< empty: nowhere but in itself
    bool restarts = false; ///< it syncs what follows: its pitch is what is heard, whatever the sound itself looks like
};
/// Up the row of posts that lead to an output, one audio input each, to the one at its head; and where that is synced
/// by a sound, to the head of that.
PitchSource pitchSource(const Patch& patch, const Library& library, const JackRef& output);
/// What is heard over a while of a sound, given the same of its source.
PitchSummary heardPitch(const PitchSummary& own, const PitchSource& source, const PitchSummary& leading);

/// "-5.0…+5.0 V"
std::string rangeText(const Reading& reading);
/// All there is to say: range, pitch with cents, period, DC, and whether it clips.
std::vector<Sentence> wholeReading(const Reading& reading);
/// "146.8 Hz · D3", "F3…D4", "62 ms open", "7.47 Hz"; empty if there is nothing to add to the range.
Sentence detailReading(const Reading& reading);
/// The same in English.
std::string detailText(const Reading& reading);

} // namespace lariat
