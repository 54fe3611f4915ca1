#include "shell/controllers.h"

namespace lariat {
namespace {

constexpr int kRestMilliseconds = 600;
constexpr double kSteps = 127.0;

} // namespace

Controllers::Controllers(Document& document, Sound& sound, QObject* parent) : QObject(parent), document_(document) {
    rest_.setSingleShot(true);
    rest_.setInterval(kRestMilliseconds);
    connect(&rest_, &QTimer::timeout, &document_, &Document::endTurning);
    connect(&sound, &Sound::controllerMoved, this, &Controllers::turn);
}

void Controllers::turn(int number, int value) {
    for (const Controller& one : document_.patch().controllers) {
        if (one.number != number) continue;
        const Post* post = document_.patch().post(one.post);
        const PartInfo* part = post ? document_.library().part(*post) : nullptr;
        const KnobInfo* knob = part ? part->knob(one.knob) : nullptr;
        if (!knob) continue;
        document_.turnKnob(one.post, one.knob, knob->scale.toValue(value / kSteps));
        rest_.start();
        return;
    }
}

} // namespace lariat
