#include "look/fonts.h"

#include <QFontDatabase>

// The resource is in a static library, so it has to be asked for by name, outside any namespace.
static void registerResources() {
    Q_INIT_RESOURCE(fonts);
}

namespace lariat {

void loadFonts() {
    static const bool once = [] {
        registerResources();
        for (const char* file : {"Inter-Regular.otf", "Inter-SemiBold.otf", "JetBrainsMono-Regular.ttf"})
            QFontDatabase::addApplicationFont(QStringLiteral(":/fonts/") + QString::fromLatin1(file));
        return true;
    }();
    Q_UNUSED(once)
}

QFont textFont(int pixels, bool strong) {
    QFont font(QStringLiteral("Inter"));
    font.setPixelSize(pixels);
    if (strong) font.setWeight(QFont::DemiBold);
    return font;
}

QFont figureFont(int pixels) {
    QFont font(QStringLiteral("JetBrains Mono"));
    font.setPixelSize(pixels);
    return font;
}

} // namespace lariat
