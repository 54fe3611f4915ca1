#include "blocks/signal.h"

#include "blocks/parts/kernels.h"

namespace lariat {

bool finishRun(Signal& signal) {
    const Extent extent = kernels().extent(signal.volts.data());
    signal.low = extent.low;
    signal.high = extent.high;
    if (extent.low >= -kLinearVolts && extent.high <= kLinearVolts && extent.numbers) return true;
    bool good = true;
    for (const float v : signal.volts) good = good && std::isfinite(v);
    if (!good) signal.volts.fill(0.0f);
    for (float& v : signal.volts) v = softRail(v);
    const auto [low, high] = std::minmax_element(signal.volts.begin(), signal.volts.end());
    signal.low = *low;
    signal.high = *high;
    return good;
}

} // namespace lariat
