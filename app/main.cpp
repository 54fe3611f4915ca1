// lariat: the window.
#include "places.h"
#include "screenshot.h"
#include "shell/main_window.h"
#include "shell/preferences.h"

#include <QApplication>
#include <QCommandLineParser>
#include <QSettings>
#include <QStandardPaths>

#include <cstdio>

int main(int argc, char** argv) {
    QApplication app(argc, argv);
    QApplication::setApplicationName(QStringLiteral("lariat"));
    QApplication::setOrganizationName(QStringLiteral("lariat"));
    QApplication::setApplicationVersion(QStringLiteral("0.1.0"));
    QCommandLineParser parser;
    parser.setApplicationDescription(QStringLiteral("Plans, simulates and documents modular synthesizer patches."));
    parser.addHelpOption();
    parser.addVersionOption();
    parser.addPositionalArgument(QStringLiteral("patch"), QStringLiteral("Patch file to open; the demo without one."),
                                 QStringLiteral("[patch]"));
    const QCommandLineOption theme(QStringLiteral("theme"), QStringLiteral("system, light or dark."),
                                   QStringLiteral("name"));
    const QCommandLineOption place(QStringLiteral("place"), QStringLiteral("Place to show first."),
                                   QStringLiteral("id"), QStringLiteral("patch"));
    const QCommandLineOption size(QStringLiteral("size"), QStringLiteral("Window size, as 1280x800."),
                                  QStringLiteral("size"));
    const QCommandLineOption picture(QStringLiteral("picture"), QStringLiteral("Write a PNG of the window and quit."),
                                     QStringLiteral("file"));
    const QCommandLineOption select(QStringLiteral("select"),
                                    QStringLiteral("Post, or number of a row, to choose in the picture."),
                                    QStringLiteral("post"));
    parser.addOptions({theme, place, size, picture, select});
    parser.process(app);

    lariat::applyTheme(parser.isSet(theme) ? lariat::themeFromName(parser.value(theme)) : lariat::Preferences::theme());
    const QString folder =
        QStandardPaths::writableLocation(QStandardPaths::AppDataLocation) + QStringLiteral("/unsaved");
    const bool posing = parser.isSet(picture);
    lariat::MainWindow window(lariat::loadWorkspace(lariat::dataFolder(), lariat::ownDataFolder()), lariat::allPlaces(),
                              posing ? QString() : folder);
    if (!posing) window.restoreGeometry(QSettings().value(QStringLiteral("window")).toByteArray());
    if (parser.isSet(size)) {
        const QStringList sides = parser.value(size).split(QLatin1Char('x'));
        if (sides.size() == 2) window.resize(sides[0].toInt(), sides[1].toInt());
    }
    const QStringList files = parser.positionalArguments();
    const bool opened =
        files.isEmpty()
            ? window.openCopy(QString::fromStdString((lariat::dataFolder() / "demo" / "lamp.json").string()))
            : window.openFile(files.first());
    if (posing && !opened) {
        std::fprintf(stderr, "lariat: %s\n", qPrintable(window.messages().text()));
        return 2;
    }
    window.sound().openDevice(posing ? QString::fromLatin1(lariat::kSimulatedDevice) : lariat::Preferences::device());
    window.showPlace(parser.value(place));
    window.show();
    if (posing) return lariat::takePicture(window, parser.value(picture), parser.value(select));
    window.offerRecovery();
    return QApplication::exec();
}
