#include "shell/tempo.h"

namespace lariat {
namespace {

constexpr qint64 kPause = 2000;
constexpr std::size_t kMost = 8;

} // namespace

double Taps::tap() {
    if (!clock_.isValid()) clock_.start();
    return tapAt(clock_.elapsed());
}

double Taps::tapAt(qint64 milliseconds) {
    if (!times_.empty() && milliseconds - times_.back() > kPause) times_.clear();
    times_.push_back(milliseconds);
    if (times_.size() > kMost) times_.pop_front();
    const auto span = static_cast<double>(times_.back() - times_.front());
    return times_.size() < 2 || span <= 0.0 ? 0.0 : 60'000.0 * static_cast<double>(times_.size() - 1) / span;
}

} // namespace lariat
