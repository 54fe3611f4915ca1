#include "shell/controllers.h"

namespace lariat {
namespace {

constexpr int kRestMilliseconds = 600;
constexpr double kSteps = 127.0;
constexpr int kDown = 64; ///< from here on a button is down, as MIDI has it

} // namespace

Controllers::Controllers(Document& document, Sound& sound, QObject* parent)
    : QObject(parent), document_(document), sound_(sound) {
    rest_.setSingleShot(true);
    rest_.setInterval(kRestMilliseconds);
    connect(&rest_, &QTimer::timeout, &document_, &Document::endTurning);
    connect(&sound, &Sound::controllerMoved, this, &Controllers::take);
    connect(&document_, &Document::replaced, this, &Controllers::stopLearning);
}

void Controllers::learn(const std::string& post, const std::string& knob) {
    learning_ = {post, knob};
}

void Controllers::take(int number, int value) {
    if (!learning()) {
        turn(number, value);
        return;
    }
    const auto [post, knob] = std::exchange(learning_, {});
    if (document_.apply({LearnController{{number, post, knob}}}, tr("learn controller %1").arg(number)))
        Q_EMIT learned(number);
}

void Controllers::turn(int number, int value) {
    for (const Controller& one : document_.patch().controllers) {
        if (one.number != number) continue;
        const Post* post = document_.patch().post(one.post);
        const PartInfo* part = post ? document_.library().part(*post) : nullptr;
        const KnobInfo* knob = part ? part->knob(one.knob) : nullptr;
        if (!knob) continue;
        if (knob->momentary) { // pressed in what sounds, as by hand
            sound_.engine().moveKnob(one.post, one.knob, value >= kDown ? 1.0 : 0.0, 0.0);
            return;
        }
        document_.turnKnob(one.post, one.knob, knob->scale.toValue(value / kSteps));
        rest_.start();
        return;
    }
}

} // namespace lariat
