#include "shell/interface_scale.h"

#include "shell/preferences.h"

#include <QFontInfo>
#include <QGuiApplication>

#include <algorithm>
#include <cmath>
#include <vector>

namespace lariat {
namespace {

constexpr const char* kFactor = "QT_SCALE_FACTOR";

} // namespace

double interfaceScale(double preferred, double systemTextPixels) {
    if (preferred > 0.0) return std::clamp(preferred, 1.0, 3.0);
    return std::clamp(std::round(4.0 * systemTextPixels / kUsualTextPixels) / 4.0, 1.0, 3.0);
}

void prepareScale(int argc, char** argv) {
    if (qEnvironmentVariableIsSet(kFactor)) return;
    double text = kUsualTextPixels;
    if (Preferences::scale() <= 0.0) {
        // Only an application knows the system's font; it takes its own options out of the words that it is given.
        std::vector<char*> words(argv, argv + argc);
        words.push_back(nullptr);
        int count = argc;
        const QGuiApplication probe(count, words.data());
        text = QFontInfo(QGuiApplication::font()).pixelSize();
    }
    const double factor = interfaceScale(Preferences::scale(), text);
    if (factor > 1.0) qputenv(kFactor, QByteArray::number(factor));
}

} // namespace lariat
