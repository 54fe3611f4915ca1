// lariat: the window.
#include "look/language.h"
#include "places.h"
#include "screenshot.h"
#include "shell/interface_scale.h"
#include "shell/main_window.h"
#include "shell/preferences.h"

#include <QApplication>
#include <QCommandLineParser>
#include <QIcon>
#include <QSettings>
#include <QStandardPaths>

#include <cstdio>
#include <functional>

int main(int argc, char** argv) {
    QCoreApplication::setApplicationName(QStringLiteral("lariat"));
    QCoreApplication::setOrganizationName(QStringLiteral("lariat"));
    lariat::prepareScale(argc, argv);
    QApplication app(argc, argv);
    QApplication::setApplicationVersion(QStringLiteral("0.1.0"));
    QApplication::setDesktopFileName(QStringLiteral("org.lariat.Lariat"));
    QIcon icon;
    for (const int size : {48, 128, 256}) icon.addFile(QStringLiteral(":/packaging/lariat-%1.png").arg(size));
    QApplication::setWindowIcon(icon);
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
    const QCommandLineOption language(QStringLiteral("language"), QStringLiteral("Code of a language, as en or de."),
                                      QStringLiteral("code"));
    const QCommandLineOption panel(
        QStringLiteral("panel"),
        QStringLiteral(
            "What the panel of the patch shows: chosen, findings, why (the way to the first of them) or settings."),
        QStringLiteral("name"));
    const QCommandLineOption until(
        QStringLiteral("until"), QStringLiteral("Show the patch as it was after so many rows."), QStringLiteral("row"));
    const QCommandLineOption keys(QStringLiteral("keys"), QStringLiteral("With keys to play on, in the picture."));
    parser.addOptions({theme, place, size, picture, select, language, panel, until, keys});
    parser.process(app);
    lariat::speak(parser.isSet(language) ? parser.value(language) : lariat::Preferences::language());

    lariat::applyTheme(parser.isSet(theme) ? lariat::themeFromName(parser.value(theme)) : lariat::Preferences::theme());
    const QString folder =
        QStandardPaths::writableLocation(QStandardPaths::AppDataLocation) + QStringLiteral("/unsaved");
    const bool posing = parser.isSet(picture);
    const auto workspace = [] { return lariat::loadWorkspace(lariat::dataFolder(), lariat::ownDataFolder()); };
    // Each window is a session of its own: another patch, with its own sound. It goes when it is closed.
    std::function<lariat::MainWindow*()> another = [&]() -> lariat::MainWindow* {
        auto* made = new lariat::MainWindow(workspace(), lariat::allPlaces(), posing ? QString() : folder);
        made->setAttribute(Qt::WA_DeleteOnClose);
        QObject::connect(made, &lariat::MainWindow::newWindowWanted, &app, [&another] {
            lariat::MainWindow* more = another();
            more->sound().setBlockFrames(lariat::Preferences::blockFrames());
            more->sound().openMidi({});
            more->sound().setSimulatedIn(lariat::Preferences::simulatedIn());
            more->sound().openDevice(lariat::Preferences::device());
            more->show();
        });
        QObject::connect(made, &lariat::MainWindow::quitWanted, &app, &QApplication::closeAllWindows);
        QObject::connect(made, &lariat::MainWindow::themeChosen, &app, [made](lariat::Theme theme) {
            for (QWidget* other : QApplication::topLevelWidgets())
                if (auto* main = qobject_cast<lariat::MainWindow*>(other); main && main != made)
                    main->chooseTheme(theme);
        });
        return made;
    };
    lariat::MainWindow& window = *another();
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
        delete &window;
        return 2;
    }
    window.sound().setBlockFrames(lariat::Preferences::blockFrames());
    window.sound().openMidi(posing ? QString() : lariat::Preferences::midi());
    if (!posing) window.sound().setSimulatedIn(lariat::Preferences::simulatedIn());
    window.sound().openDevice(posing ? QString::fromLatin1(lariat::kSimulatedDevice) : lariat::Preferences::device());
    window.sound().setFollowsStart(lariat::Preferences::followsStart());
    if (!posing) window.sound().openClockOut(lariat::Preferences::clockOut());
    window.showPlace(parser.value(place));
    window.show();
    if (posing) {
        const int done =
            lariat::takePicture(window, {parser.value(picture), parser.value(select), parser.value(until).toInt(),
                                         parser.isSet(keys), parser.value(panel)});
        delete &window;
        return done;
    }
    window.offerRecovery();
    return QApplication::exec();
}
