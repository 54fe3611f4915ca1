// Dependencies point downwards only.
#include <QtTest>

#include <QDirIterator>
#include <QRegularExpression>

class LayersTest : public QObject {
    Q_OBJECT

    static QStringList includesOf(const QString& file) {
        QFile source(file);
        if (!source.open(QIODevice::ReadOnly)) return {};
        QStringList out;
        static const QRegularExpression include(QStringLiteral("#include\\s+[<\"]([^>\"]+)[>\"]"));
        auto match = include.globalMatch(QString::fromUtf8(source.readAll()));
        while (match.hasNext()) out << match.next().captured(1);
        return out;
    }

  private Q_SLOTS:
    void theCoreKnowsNoQtAndNothingAboveIt() {
        QDirIterator files(QStringLiteral(LARIAT_SOURCE "/core"), {QStringLiteral("*.h"), QStringLiteral("*.cpp")},
                           QDir::Files, QDirIterator::Subdirectories);
        int count = 0;
        while (files.hasNext()) {
            const QString file = files.next();
            ++count;
            for (const QString& included : includesOf(file)) {
                QVERIFY2(!included.startsWith(QLatin1Char('Q')) && !included.startsWith(QLatin1String("Qt")),
                         qPrintable(file + QStringLiteral(" includes ") + included));
                for (const char* above : {"devices/", "shell/", "widgets/", "patch/", "print/", "look/", "cli/"})
                    QVERIFY2(!included.startsWith(QLatin1String(above)),
                             qPrintable(file + QStringLiteral(" includes ") + included));
            }
        }
        QVERIFY(count > 60);
    }

    /// Within the core: a folder includes only itself and those before it.
    void coreFoldersAreInOrder() {
        const QStringList order = {"units",    "model",    "blocks", "library", "engine", "measure", "flow",  "timing",
                                   "building", "findings", "log",    "sheet",   "stock",  "plan",    "maker", "ask"};
        QDirIterator files(QStringLiteral(LARIAT_SOURCE "/core"), {QStringLiteral("*.h"), QStringLiteral("*.cpp")},
                           QDir::Files, QDirIterator::Subdirectories);
        while (files.hasNext()) {
            const QString file = files.next();
            const QString inside = QDir(QStringLiteral(LARIAT_SOURCE "/core")).relativeFilePath(file);
            const int own = static_cast<int>(order.indexOf(inside.section(QLatin1Char('/'), 0, 0)));
            QVERIFY2(own >= 0, qPrintable(file));
            for (const QString& included : includesOf(file)) {
                const int other = static_cast<int>(order.indexOf(included.section(QLatin1Char('/'), 0, 0)));
                QVERIFY2(other <= own, qPrintable(file + QStringLiteral(" includes ") + included));
            }
        }
    }

    /// Every folder of the window but the house itself is a place; places know the house, not one another, and the
    /// house knows no place.
    void placesDoNotKnowOneAnother() {
        const QDir app(QStringLiteral(LARIAT_SOURCE "/app"));
        const QStringList house = {"shell", "widgets", "look", "print", "i18n"};
        QStringList places;
        for (const QString& folder : app.entryList(QDir::Dirs | QDir::NoDotAndDotDot))
            if (!house.contains(folder)) places << folder;
        QVERIFY(places.size() >= 2);
        QDirIterator files(app.path(), {QStringLiteral("*.h"), QStringLiteral("*.cpp")}, QDir::Files,
                           QDirIterator::Subdirectories);
        while (files.hasNext()) {
            const QString file = app.relativeFilePath(files.next());
            const QString own = file.section(QLatin1Char('/'), 0, 0);
            if (own == file) continue; // places.cpp and the like name them all
            for (const QString& included : includesOf(app.filePath(file)))
                for (const QString& place : places)
                    // The core has a folder of the same name: what the place has is told by its files.
                    if (place != own && included.startsWith(place + QLatin1Char('/')))
                        QVERIFY2(!QFile::exists(app.filePath(included)),
                                 qPrintable(file + QStringLiteral(" includes ") + included));
        }
    }
};

QTEST_APPLESS_MAIN(LayersTest)
#include "layers_test.moc"
