// Stereo mixer: six channels with level, pan, send, mute and solo.
//
// A channel without a plug on its right side is mono: its left input goes to both, panned at equal power with the
// middle at 0 dB; a stereo channel is balanced. Level = level + V·amount/8. Solo silences all channels that are not.
// The send leaves behind the level; what comes back at `return` is added to the bus.
#include "blocks/parts/maths.h"
#include "blocks/types.h"

#include <algorithm>

namespace lariat {
namespace {

constexpr int kChannels = 6;
enum In { LeftIn, RightIn = kChannels, LevelCv = 2 * kChannels, ReturnLeft = 3 * kChannels, ReturnRight };
enum Out { BusLeft, BusRight, SendLeft, SendRight };
enum Control {
    Level,
    Pan = kChannels,
    Send = 2 * kChannels,
    Mute = 3 * kChannels,
    Solo = 4 * kChannels,
    Amount = 5 * kChannels,
    Main = 6 * kChannels
};

class StereoMixer final : public StatefulBlock<StereoMixer> {
  public:
    void process(const Frame& frame) {
        if (frame.section == 0)
            sumChannels(frame);
        else
            writeBus(frame);
    }

  private:
    friend class StatefulBlock<StereoMixer>;

    void sumChannels(const Frame& frame) {
        for (Line& sum : sums_) std::fill(sum.data() + frame.begin, sum.data() + frame.end, 0.0f);
        bool soloed = false;
        for (int c = 0; c < kChannels; ++c) soloed = soloed || frame.position(Solo + c) == 1;
        const float step = 1.0f / (0.005f * static_cast<float>(frame.rate()));
        for (int c = 0; c < kChannels; ++c) {
            float& open = state_.open[idx(c)];
            const bool heard = frame.position(Mute + c) == 0 && (!soloed || frame.position(Solo + c) == 1);
            if (!state_.begun) open = heard ? 1.0f : 0.0f; // what is muted is so from the first sample
            if (!frame.plugged(LeftIn + c) && !frame.plugged(RightIn + c)) {
                open = heard ? 1.0f : 0.0f;
                continue;
            }
            const bool stereo = frame.plugged(RightIn + c);
            const Modulated level = modulated(frame, Level + c, LevelCv + c, Amount + c, 12.5f);
            for (int i = frame.begin; i < frame.end; ++i) {
                open = std::clamp(open + (heard ? step : -step), 0.0f, 1.0f); // mutes fade within 5 ms
                const float gain = open * 0.01f * std::clamp(level(i), 0.0f, 120.0f);
                const float pan = std::clamp(0.01f * frame.control(Pan + c)(i), -1.0f, 1.0f);
                const float left = gain * frame.in(LeftIn + c)[i];
                const float right = stereo ? gain * frame.in(RightIn + c)[i] : left;
                const float toLeft =
                    stereo ? std::min(1.0f, 1.0f - pan) : 1.41421356f * fastSinTurn(0.375f + 0.125f * pan);
                const float toRight =
                    stereo ? std::min(1.0f, 1.0f + pan) : 1.41421356f * fastSinTurn(0.125f + 0.125f * pan);
                const float send = 0.01f * frame.control(Send + c)(i);
                sums_[BusLeft][i] += toLeft * left;
                sums_[BusRight][i] += toRight * right;
                sums_[SendLeft][i] += send * toLeft * left;
                sums_[SendRight][i] += send * toRight * right;
            }
        }
        state_.begun = true;
        for (const int send : {SendLeft, SendRight}) frame.write(send, [&](int i) { return sums_[send][i]; });
    }

    void writeBus(const Frame& frame) {
        const auto bus = [&](int side, int back, int i) {
            return 0.01f * frame.control(Main)(i) * (sums_[side][i] + frame.in(back)[i]);
        };
        const int right = frame.plugged(ReturnRight) ? ReturnRight : ReturnLeft;
        frame.write(BusLeft, [&](int i) { return bus(BusLeft, ReturnLeft, i); });
        frame.write(BusRight, [&](int i) { return bus(BusRight, right, i); });
    }

    Line sums_[4]; ///< of the present run
    struct State {
        std::array<float, kChannels> open{};
        bool begun = false;
    } state_;
};

} // namespace

BlockType stereoMixerType() {
    using enum SignalKind;
    const std::uint64_t channels = (std::uint64_t{1} << ReturnLeft) - 1; // levels and their CVs too
    const Scale onOff = switchScale({"off", "on"});
    std::vector<Flow> flows;
    for (int n = 1; n <= kChannels; ++n) {
        const auto own = [&](const char* word) { return wordWithNumber(word, '-', n); };
        for (const auto& [output, level] :
             {std::pair(std::string("bus-"), std::string("main")), {"send-", own("send")}})
            for (const char* side : {"left", "right"}) {
                Flow passes{{own(side)}, Does::Passes, {output + side}, {level}, own("level")};
                passes.mutes = {own("mute")};
                passes.solo = own("solo");
                flows.push_back(passes);
                flows.push_back({{own("cv")}, Does::Opens, {output + side}, {}, own("level")});
            }
    }
    flows.push_back({{"return-left"}, Does::Passes, {"bus-left"}, {"main"}});
    flows.push_back({{"return-right"}, Does::Passes, {"bus-right"}, {"main"}});
    return {
        .id = "stereo-mixer",
        .name = "Stereo mixer",
        .about = "Six channels with level, pan, send, mute and solo",
        .inputs = joined(
            {numbered(kChannels, JackSpec{"left", "in L", Audio}),
             numbered(kChannels, JackSpec{"right", "in R", Audio}),
             numbered(kChannels, JackSpec{"cv", "level cv", SignalKind::Control, 0, 8, "amount", {{"level", 12.5}}}),
             {{"return-left", "return L", Audio}, {"return-right", "return R", Audio}}}),
        .outputs = {{"bus-left", "out L", Audio},
                    {"bus-right", "out R", Audio},
                    {"send-left", "send L", Audio},
                    {"send-right", "send R", Audio}},
        .controls = joined({numbered(kChannels, ControlSpec{"level", "Level", squaredScale(Unit::Percent, 0, 100), 70}),
                            numbered(kChannels, ControlSpec{"pan", "Pan", bipolarPercent(), 0}),
                            numbered(kChannels, ControlSpec{"send", "Send", percent(), 0}),
                            numbered(kChannels, ControlSpec{"mute", "Mute", onOff, 0}),
                            numbered(kChannels, ControlSpec{"solo", "Solo", onOff, 0}),
                            numbered(kChannels, ControlSpec{"amount", "Level CV", bipolarPercent(), 100}),
                            {{"main", "Main", percent(), 100}}}),
        .flows = flows,
        .make = makeBlock<StereoMixer>,
        // What comes back from the sends joins the bus; the sends do not wait for it.
        .sections = {{channels, bits({SendLeft, SendRight})},
                     {bits({ReturnLeft, ReturnRight}), bits({BusLeft, BusRight})}}};
}

} // namespace lariat
