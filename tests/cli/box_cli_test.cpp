// Boxes and states on the command line.
#include "cli/run.h"
#include "model/patch.h"

#include <QtTest>

#include <QTemporaryDir>

using namespace lariat::test;

class BoxCliTest : public QObject {
    Q_OBJECT

    QTemporaryDir own_;

  private Q_SLOTS:
    void initTestCase() { qputenv("XDG_DATA_HOME", own_.path().toUtf8()); }

    void aVoiceGoesIntoABoxAndSoundsAsBefore() {
        const QString boxed = own_.filePath(QStringLiteral("boxed.json"));
        const QString file = own_.filePath(QStringLiteral("box.json"));
        // The patch needs its box: it is not written without.
        const QStringList what = {"module", "box", kLamp, "--voice", "Lead", "--name", "Lead box"};
        const Answer refused = run(what + QStringList{"--out", boxed});
        QCOMPARE(refused.code, 2);
        QVERIFY(refused.err.contains("--keep"));
        QVERIFY(!QFile::exists(boxed));
        const Answer made = run(QStringList{"--json"} + what + QStringList{"--file", file, "--keep", "--out", boxed});
        QVERIFY2(made.code == 0, qPrintable(made.err));
        QCOMPARE(made.json()["id"].toString(), QStringLiteral("lead-box"));
        QCOMPARE(made.json()["jacks"].toArray().size(), 4);
        QVERIFY(QFile::exists(file));
        QCOMPARE(run(what + QStringList{"--keep"}).code, 2); // the name is taken now
        const auto sound = [&](const QString& patch, const char* name) {
            const QString wav = own_.filePath(QString::fromLatin1(name));
            const Answer answer = run({"render", patch, "--seconds", "2", "--out", wav});
            if (answer.code != 0) qWarning("%s", qPrintable(answer.err));
            QFile read(wav);
            return read.open(QIODevice::ReadOnly) ? read.readAll() : QByteArray();
        };
        const QByteArray before = sound(kLamp, "before.wav");
        QVERIFY(before.size() > 100'000);
        QVERIFY(sound(boxed, "after.wav") == before);
    }

    void whatIsNotThereIsRefused() {
        QCOMPARE(run({"module", "box", kLamp, "--voice", "Nobody", "--name", "Box"}).code, 2);
        QCOMPARE(run({"module", "box", kLamp, "--post", "line-out", "--name", "Box"}).code, 2);
    }

    void statesAreCaughtGoneBackToAndForgotten() {
        const QString chaos = QStringLiteral(LARIAT_SOURCE "/data/demo/deep-water.json");
        const QString mine = own_.filePath(QStringLiteral("mine.json"));
        const auto caught = [&](const char* seconds) {
            const Answer answer = run({"--json", "states", chaos, "--catch", "Shoal", "--at", seconds, "--out", mine});
            return answer.code == 0 ? answer.json()["states"][0]["bits"].toString() : answer.err;
        };
        const QString first = caught("4");
        QCOMPARE(first.size(), 8);
        QCOMPARE(caught("4"), first); // the same every time
        bool other = false;
        for (const char* later : {"5", "6", "7"}) other = other || caught(later) != first;
        QVERIFY(other);
        QCOMPARE(caught("4"), first);
        const QString locked = own_.filePath(QStringLiteral("locked.json"));
        QCOMPARE(run({"states", mine, "--go", "Shoal", "--out", locked}).code, 0);
        const auto patch = lariat::readPatch([&] {
            QFile file(locked);
            return file.open(QIODevice::ReadOnly) ? file.readAll().toStdString() : std::string();
        }());
        QVERIFY(patch);
        QCOMPARE(patch->post("register")->knobs.at("mode"), 1.0);
        QCOMPARE(patch->post("register")->knobs.at("state"), static_cast<double>(first.toUInt(nullptr, 2)));
        const Answer none = run({"states", mine, "--go", "Reef", "--out", locked});
        QCOMPARE(none.code, 2);
        QVERIFY(none.err.contains("Shoal"));
        QCOMPARE(run({"states", mine, "--forget", "Shoal", "--in-place"}).code, 0);
        QVERIFY(run({"states", mine}).out.contains("no state"));
        QCOMPARE(run({"states", kLamp}).code, 2);
        // Never over the patch that was read.
        QCOMPARE(run({"states", chaos, "--catch", "Over"}).code, 2);
    }
};

QTEST_GUILESS_MAIN(BoxCliTest)
#include "box_cli_test.moc"
