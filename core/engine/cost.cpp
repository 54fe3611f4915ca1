#include "engine/cost.h"

#include "engine/schedule.h"
#include "engine/solo.h"

#include <algorithm>
#include <chrono>
#include <cmath>

namespace lariat {

BlockCost measureCost(const BlockType& type, double rate, double seconds) {
    const FlushDenormals flush;
    Setup setup;
    setup.rate = rate;
    auto sample = std::make_shared<Sample>();
    for (int n = 0; n < 48000; ++n) sample->left.push_back(static_cast<float>(std::sin(0.05 * n)));
    setup.material.sample = std::move(sample);
    Solo solo(type, setup);
    Transport transport;
    const auto runs = static_cast<int>(seconds * rate / kRun);
    std::vector<double> rounds;
    long place = 0;
    for (int round = 0; round < 5; ++round) {
        double spent = 0.0;
        for (int run = 0; run < runs; ++run, place += kRun) {
            for (std::size_t n = 0; n < type.inputs.size(); ++n) {
                Signal& in = solo.feed(n);
                const bool slow = type.inputs[n].kind != SignalKind::Audio;
                const double hertz = slow ? 2.0 + static_cast<double>(n) : 220.0 * (1.0 + 0.1 * static_cast<double>(n));
                for (int i = 0; i < kRun; ++i)
                    in[i] = 2.5f *
                            static_cast<float>(std::sin(6.283185307 * hertz * static_cast<double>(place + i) / rate));
            }
            const auto start = std::chrono::steady_clock::now();
            solo.run(transport);
            spent += std::chrono::duration<double>(std::chrono::steady_clock::now() - start).count();
        }
        rounds.push_back(spent);
    }
    std::ranges::nth_element(rounds, rounds.begin() + 2);
    const double each = rounds[2] / (static_cast<double>(runs) * kRun);
    return {each * 1e9, 100.0 * each * rate};
}

} // namespace lariat
