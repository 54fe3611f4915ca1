#include "print/painting.h"

#include "look/fonts.h"
#include "print/sheet_printer.h"

#include <QBuffer>
#include <QSvgGenerator>

namespace lariat {

std::unique_ptr<QGuiApplication> applicationForPainting() {
    static int argc = 1;
    static char name[] = "lariat";
    static char* argv[] = {name, nullptr};
    std::unique_ptr<QGuiApplication> own;
    if (!QCoreApplication::instance()) {
        qputenv("QT_QPA_PLATFORM", "offscreen");
        own = std::make_unique<QGuiApplication>(argc, argv);
    }
    loadFonts();
    return own;
}

std::string svgOf(QSize size, const QString& title, const std::function<void(QPainter&)>& paint) {
    QBuffer buffer;
    buffer.open(QIODevice::WriteOnly);
    QSvgGenerator svg;
    svg.setOutputDevice(&buffer);
    svg.setResolution(kSheetDpi);
    svg.setSize(size);
    svg.setViewBox(QRect(QPoint(0, 0), size));
    svg.setTitle(title);
    {
        QPainter painter(&svg);
        paint(painter);
    }
    return buffer.data().toStdString();
}

} // namespace lariat
