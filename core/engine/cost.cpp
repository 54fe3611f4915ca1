#include "engine/cost.h"

#include "engine/schedule.h"

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
    setup.sample = std::move(sample);
    const auto block = type.make();
    block->prepare(setup);

    std::vector<Signal> ins(type.inputs.size());
    std::vector<Signal> outs(type.outputs.size());
    std::vector<const Signal*> inputs;
    std::vector<Signal*> outputs;
    std::vector<Ramp> controls;
    for (Signal& in : ins) inputs.push_back(&in);
    for (Signal& out : outs) outputs.push_back(&out);
    for (const ControlSpec& control : type.controls) controls.push_back({static_cast<float>(control.initial), 0.0f});
    std::array<float, kRun> left{};
    std::array<float, kRun> right{};
    Transport transport;
    Frame frame;
    frame.rate = rate;
    frame.inputs = inputs;
    frame.outputs = outputs;
    frame.controls = controls;
    frame.transport = &transport;
    frame.left = left.data();
    frame.right = right.data();

    const auto runs = static_cast<int>(seconds * rate / kRun);
    std::vector<double> rounds;
    long place = 0;
    for (int round = 0; round < 5; ++round) {
        double spent = 0.0;
        for (int run = 0; run < runs; ++run, place += kRun) {
            for (std::size_t n = 0; n < ins.size(); ++n) {
                const bool slow = type.inputs[n].kind != SignalKind::Audio;
                const double hertz = slow ? 2.0 + static_cast<double>(n) : 220.0 * (1.0 + 0.1 * static_cast<double>(n));
                for (int i = 0; i < kRun; ++i)
                    ins[n][i] = 2.5f * static_cast<float>(
                                           std::sin(6.283185307 * hertz * static_cast<double>(place + i) / rate));
            }
            for (Signal& out : outs) {
                out.edgeCount = 0;
                out.listsEdges = false;
            }
            const auto start = std::chrono::steady_clock::now();
            block->process(frame);
            spent += std::chrono::duration<double>(std::chrono::steady_clock::now() - start).count();
        }
        rounds.push_back(spent);
    }
    std::ranges::nth_element(rounds, rounds.begin() + 2);
    const double each = rounds[2] / (static_cast<double>(runs) * kRun);
    return {each * 1e9, 100.0 * each * rate};
}

} // namespace lariat
