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
                for (const char* above : {"devices/", "shell/", "patch/", "print/", "look/", "cli/"})
                    QVERIFY2(!included.startsWith(QLatin1String(above)),
                             qPrintable(file + QStringLiteral(" includes ") + included));
            }
        }
        QVERIFY(count > 60);
    }

    /// Within the core: a folder includes only itself and those before it.
    void coreFoldersAreInOrder() {
        const QStringList order = {"units",   "model",    "blocks",   "library", "engine",
                                   "measure", "building", "findings", "sheet"};
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

    void placesDoNotKnowOneAnother() {
        for (const char* place : {"patch", "sheet"}) {
            QDirIterator files(QStringLiteral(LARIAT_SOURCE "/app/") + QLatin1String(place),
                               {QStringLiteral("*.h"), QStringLiteral("*.cpp")}, QDir::Files);
            while (files.hasNext())
                for (const QString& included : includesOf(files.next()))
                    for (const char* other : {"patch/", "sheet/sheet_place"})
                        if (QLatin1String(place) != QString(QLatin1String(other)).section(QLatin1Char('/'), 0, 0))
                            QVERIFY2(!included.startsWith(QLatin1String(other)), qPrintable(included));
        }
    }
};

QTEST_APPLESS_MAIN(LayersTest)
#include "layers_test.moc"
