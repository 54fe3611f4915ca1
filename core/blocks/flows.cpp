#include "blocks/block.h"

namespace lariat {
namespace {

Flow byKind(const BlockType& type, const JackSpec& input) {
    Flow flow;
    flow.inputs = {input.id};
    switch (input.kind) {
    case SignalKind::Audio:
        flow.does = Does::Passes;
        for (const JackSpec& output : type.outputs)
            if (output.kind == SignalKind::Audio) flow.outputs.push_back(output.id);
        break;
    case SignalKind::Pitch:
        flow.does = Does::Tunes;
        break;
    case SignalKind::Gate:
        flow.does = Does::Strikes;
        break;
    case SignalKind::Clock:
        flow.does = Does::Times;
        break;
    case SignalKind::Control:
        flow.does = Does::Moves;
        break;
    }
    return flow;
}

} // namespace

std::vector<Flow> flowsOf(const BlockType& type) {
    std::vector<Flow> flows = type.flows;
    for (const JackSpec& input : type.inputs)
        if (std::ranges::none_of(type.flows, [&](const Flow& flow) {
                return std::ranges::find(flow.inputs, input.id) != flow.inputs.end();
            }))
            flows.push_back(byKind(type, input));
    return flows;
}

std::vector<Flow> numbered(int count, const Flow& one) {
    std::vector<Flow> all;
    for (int n = 1; n <= count; ++n) {
        Flow flow = one;
        const auto number = [&](std::string& word) {
            if (!word.empty()) word = wordWithNumber(word, '-', n);
        };
        for (auto* words : {&flow.inputs, &flow.levels, &flow.mutes}) std::ranges::for_each(*words, number);
        number(flow.opener);
        number(flow.solo);
        all.push_back(std::move(flow));
    }
    return all;
}

} // namespace lariat
