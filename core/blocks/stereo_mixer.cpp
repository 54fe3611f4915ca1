// Stereo mixer: six channels with level, pan, send, mute and solo.
//
// A channel without a plug on its right side is mono: its left input goes to both, panned at equal power with the
// middle at 0 dB; a stereo channel is balanced. Level = level + V·amount/8. Solo silences all channels that are not.
// The send leaves behind the level; what comes back at `return` is added to the bus.
#include "blocks/maths.h"
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
    void prepare(const Setup&) override {}

    void process(const Frame& frame) override {
        std::array<std::array<float, kRun>, 4> sums{};
        bool soloed = false;
        for (int c = 0; c < kChannels; ++c) soloed = soloed || frame.position(Solo + c) == 1;
        const float step = 1.0f / (0.005f * static_cast<float>(frame.rate));
        for (int c = 0; c < kChannels; ++c) {
            float& open = state_.open[static_cast<std::size_t>(c)];
            const bool heard = frame.position(Mute + c) == 0 && (!soloed || frame.position(Solo + c) == 1);
            if (!frame.plugged(LeftIn + c) && !frame.plugged(RightIn + c)) {
                open = heard ? 1.0f : 0.0f;
                continue;
            }
            const bool stereo = frame.plugged(RightIn + c);
            const Modulated level = modulated(frame, Level + c, LevelCv + c, Amount + c, 12.5f);
            for (int i = frame.begin; i < frame.end; ++i) {
                const auto k = static_cast<std::size_t>(i);
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
                sums[BusLeft][k] += toLeft * left;
                sums[BusRight][k] += toRight * right;
                sums[SendLeft][k] += send * toLeft * left;
                sums[SendRight][k] += send * toRight * right;
            }
        }
        const auto bus = [&](int side, int back, int i) {
            return 0.01f * frame.control(Main)(i) *
                   (sums[static_cast<std::size_t>(side)][static_cast<std::size_t>(i)] + frame.in(back)[i]);
        };
        const int right = frame.plugged(ReturnRight) ? ReturnRight : ReturnLeft;
        frame.write(BusLeft, [&](int i) { return bus(BusLeft, ReturnLeft, i); });
        frame.write(BusRight, [&](int i) { return bus(BusRight, right, i); });
        for (const int send : {SendLeft, SendRight})
            frame.write(send, [&](int i) { return sums[static_cast<std::size_t>(send)][static_cast<std::size_t>(i)]; });
    }

  private:
    friend class StatefulBlock<StereoMixer>;
    struct State {
        std::array<float, kChannels> open{1, 1, 1, 1, 1, 1};
    } state_;
};

} // namespace

BlockType stereoMixerType() {
    using enum SignalKind;
    const Scale onOff = switchScale({"off", "on"});
    return {"stereo-mixer",
            "Stereo mixer",
            "Six channels with level, pan, send, mute and solo",
            joined({numbered(kChannels, JackSpec{"left", "in L", Audio}),
                    numbered(kChannels, JackSpec{"right", "in R", Audio}),
                    numbered(kChannels, JackSpec{"cv", "level cv", SignalKind::Control, 0, 8, "amount"}),
                    {{"return-left", "return L", Audio}, {"return-right", "return R", Audio}}}),
            {{"bus-left", "out L", Audio},
             {"bus-right", "out R", Audio},
             {"send-left", "send L", Audio},
             {"send-right", "send R", Audio}},
            joined({numbered(kChannels, ControlSpec{"level", "Level", squaredScale(Unit::Percent, 0, 100), 70}),
                    numbered(kChannels, ControlSpec{"pan", "Pan", bipolarPercent(), 0}),
                    numbered(kChannels, ControlSpec{"send", "Send", percent(), 0}),
                    numbered(kChannels, ControlSpec{"mute", "Mute", onOff, 0}),
                    numbered(kChannels, ControlSpec{"solo", "Solo", onOff, 0}),
                    numbered(kChannels, ControlSpec{"amount", "Level CV", bipolarPercent(), 100}),
                    {{"main", "Main", percent(), 100}}}),
            makeBlock<StereoMixer>};
}

} // namespace lariat
