#include "measure/pitch_track.h"

#include <algorithm>
#include <cmath>
#include <vector>

namespace lariat {
namespace {

constexpr std::size_t kShort = 4096;
constexpr double kLowestTone = 20.0;
constexpr double kOneTone = 30.0 / 1200.0; ///< octaves within which a pitch is one
constexpr double kNearlyAll = 0.8;         ///< of the frames that sound
constexpr double kTail = 0.3;              ///< of the clear frames of a drum, at the least
constexpr double kLouder = 1.3;            ///< the rest of a drum than its tail
constexpr double kHeard = 0.05;            ///< of the loudest frame; what is quieter is a rest
constexpr std::size_t kEnough = 3;         ///< clear frames
constexpr std::size_t kOfRecording = 32;   ///< frames that are read of one

} // namespace

std::optional<PitchReading> pitchOfFrame(std::span<const float> volts, double rate) {
    const auto over = [&](std::size_t size) { return measurePitch(volts.last(std::min(volts.size(), size)), rate); };
    auto pitch = over(kShort);
    if (!pitch || pitch->clarity > kSteadyClarity)
        if (const auto longer = over(2 * kShort)) pitch = longer;
    if (!pitch) pitch = over(4 * kShort);
    return pitch && pitch->hertz.value >= kLowestTone ? pitch : std::nullopt;
}

void PitchTrack::add(std::span<const float> volts, double rate) {
    volts = volts.last(std::min(volts.size(), kFrame));
    const LevelReading level = measureLevel(volts);
    Frame frame;
    frame.level = level.alternating().value;
    if (const auto pitch = pitchOfFrame(volts, rate)) {
        frame.octaves = std::log2(pitch->hertz.value);
        frame.clear = pitch->clarity > kSteadyClarity;
    }
    frames_.push_back(frame);
    if (frames_.size() > kMost) frames_.pop_front();
}

PitchSummary PitchTrack::summary() const {
    double loudest = 0.0;
    for (const Frame& frame : frames_) loudest = std::max(loudest, frame.level);
    std::vector<Frame> clear;
    std::size_t sounding = 0;
    for (const Frame& frame : frames_) {
        if (frame.level <= kHeard * loudest) continue;
        ++sounding;
        if (frame.clear) clear.push_back(frame);
    }
    if (clear.empty() || (clear.size() < kEnough && clear.size() < sounding)) return {};
    std::ranges::sort(clear, {}, &Frame::octaves);
    const auto hertz = [](double octaves) { return Hertz{std::exp2(octaves)}; };
    const auto size = static_cast<double>(clear.size());
    const double middle = clear[clear.size() / 2].octaves;
    const auto near = [&](double octaves) {
        return static_cast<double>(std::ranges::count_if(
            clear, [&](const Frame& frame) { return std::abs(frame.octaves - octaves) < kOneTone; }));
    };
    if (near(middle) >= kNearlyAll * size) return {hertz(middle), std::nullopt};
    // The lowest pitch that comes more than once, and whether everything above it is louder.
    const double low = clear[static_cast<std::size_t>(0.1 * size)].octaves;
    double quiet = 0.0;
    double loud = 0.0;
    double above = 0.0;
    double sum = 0.0;
    for (const Frame& frame : clear) {
        const bool tail = std::abs(frame.octaves - low) < kOneTone;
        (tail ? quiet : loud) += frame.level;
        if (tail) sum += frame.octaves;
        above += tail ? 0.0 : 1.0;
    }
    const double tails = size - above;
    if (tails >= kTail * size && tails >= 2.0 && loud / above > kLouder * quiet / tails)
        return {hertz(sum / tails), std::nullopt, true};
    return {std::nullopt, std::pair(hertz(clear.front().octaves), hertz(clear.back().octaves))};
}

PitchSummary pitchOf(std::span<const float> volts, double rate) {
    PitchTrack track;
    const std::size_t frames =
        std::min(kOfRecording, std::max<std::size_t>(1, volts.size() / (PitchTrack::kFrame / 2)));
    for (std::size_t n = 1; n <= frames; ++n) {
        const std::size_t end = volts.size() * n / frames;
        track.add(volts.first(end).last(std::min(end, PitchTrack::kFrame)), rate);
    }
    return track.summary();
}

} // namespace lariat
