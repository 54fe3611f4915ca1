// The questions of the Bench on the command line: of jacks, recordings and a case that is not quite as it was written.
#include "cli/run.h"

#include <QtTest>

#include <QFile>
#include <QJsonArray>
#include <QJsonObject>
#include <QTemporaryDir>

#include <cmath>

using namespace lariat::test;

class AskCliTest : public QObject {
    Q_OBJECT

    QTemporaryDir folder_;
    [[nodiscard]] QString in(const char* name) const { return folder_.filePath(QString::fromLatin1(name)); }
    static double value(const Answer& answer, const char* id) {
        return answer.json()["figures"][QLatin1String(id)]["value"].toDouble(-1e9);
    }

  private Q_SLOTS:
    void everyQuestionIsAnswered() {
        const QString fog = QStringLiteral(LARIAT_SOURCE "/data/demo/fog-signal.json");
        const std::pair<QStringList, const char*> asked[] = {
            {{"ask", "shape", kLamp, "contour-1.out"}, "Contour 1 out rises to"},
            {{"ask", "note", kLamp, "osc-a.saw"}, "Leader pulse restarts it"},
            {{"ask", "same", kLamp, "vca-2.out"}, "The tail stands at 36.7 Hz"},
            {{"ask", "loud", kLamp, "osc-a.saw"}, "dBFS"},
            {{"ask", "content", kLamp, "osc-c.sine", "--alias"}, "added by the rate"},
            {{"ask", "relate", fog, "divider.out-1", "divider.out-2"}, "fifth"},
            {{"ask", "better", kLamp, "filter.low", "osc-a.saw"}, "brightness"},
            {{"ask", "note", kLamp, "osc-b.pulse", "--tracking", "osc-b.voct"}, "tracks from -2.0 to +4.0 V"},
        };
        for (const auto& [arguments, said] : asked) {
            const Answer answer = run(arguments);
            QCOMPARE(answer.code, 0);
            QVERIFY2(answer.out.contains(QLatin1String(said)),
                     qPrintable(arguments.join(QLatin1Char(' ')) + answer.out));
        }
        // The same figures as JSON, as a table and as pictures.
        const Answer json =
            run({"ask", "same", kLamp, "vca-2.out", "--json", "--csv", in("hits.csv"), "--picture", in("hits.svg")});
        QCOMPARE(json.code, 0);
        QVERIFY(value(json, "hits") >= 16.0);
        QVERIFY(std::abs(value(json, "tail-hertz") - 36.7) < 0.1);
        QFile table(in("hits.csv"));
        QVERIFY(table.open(QIODevice::ReadOnly));
        QVERIFY(table.readAll().contains("tail-hertz,36.7"));
        QVERIFY(QFile(in("hits.svg")).size() > 5000);
        QCOMPARE(run({"ask", "same", kLamp, "vca-2.out", "--dark", "--picture", in("hits.png")}).code, 0);
        QFile picture(in("hits.png"));
        QVERIFY(picture.open(QIODevice::ReadOnly));
        const QByteArray head = picture.read(24); // of 1280 by 800
        QVERIFY(head.mid(1, 3) == "PNG" && head.mid(16, 8) == QByteArray::fromHex("0000050000000320"));
    }

    void whatIsWrongIsSaid() {
        const auto refused = [](const QStringList& arguments, const char* why) {
            const Answer answer = run(arguments);
            QVERIFY2(answer.code == 2 || answer.code == 3, qPrintable(arguments.join(QLatin1Char(' '))));
            QVERIFY2(answer.err.contains(QLatin1String(why)) || answer.out.contains(QLatin1String(why)),
                     qPrintable(answer.err));
        };
        refused({"ask", "shape", kLamp, "nobody.out"}, "there is no jack nobody.out");
        refused({"ask", "dance", kLamp}, "dance");
        refused({"ask", "note", kLamp, "osc-a.saw", "--key", "Q sharp"}, "is no key");
        refused({"ask", "note", kLamp, "osc-a.saw", "--tuning", "none"}, "there is no tuning");
        refused({"ask", "real", kLamp}, "recording of the real case");
        refused({"ask", "loud", kLamp, "tracks.gate-1"}, "does not lead");
        refused({"ask", "shape", kLamp, "osc-a.saw", "--trigger", "lfo.sine"}, "no trigger");
        refused({"ask", "note", in("gone.wav")}, "gone.wav");
        refused({"ask", "same", kLamp, "vca-2.out", "--picture", in("hits.bmp")}, ".svg or .png");
        refused({"render", kLamp, "--truth", in("t.json"), "--out", in("t.wav")}, "as-recorded");
        refused({"module", "tune", "keel-vco-pair", "a.saw"}, "no pitch input");
        refused({"module", "tune", "keel-vco-pair", "a.voct", "--note", "loud"}, "should be written");
    }

    /// A stand-in for the metal is recorded, its lost knob found, and the patch written.
    void aLostKnobIsFoundAgain() {
        const QString kick = QStringLiteral(LARIAT_SOURCE "/data/demo/kick.json");
        const QString alone = in("alone.json");
        QCOMPARE(run({"tie", kick, "mixer level 2 at 0 %", "mixer level 3 at 0 %", "--out", alone}).code, 0);
        QCOMPARE(run({"render", alone, "--as-recorded", "3", "--lost", "level-a.decay", "--seconds", "4", "--out",
                      in("real.wav"), "--truth", in("truth.json")})
                     .code,
                 0);
        QFile file(in("truth.json"));
        QVERIFY(file.open(QIODevice::ReadOnly));
        double real = 0.0;
        for (const QJsonValue& knob : QJsonDocument::fromJson(file.readAll())["knobs"].toArray())
            if (knob["post"] == QLatin1String("level-a") && knob["knob"] == QLatin1String("decay"))
                real = knob["real"].toDouble();
        QVERIFY(real > 0.0);
        const Answer compared = run({"ask", "real", alone, "--recording", in("real.wav")});
        QVERIFY2(compared.out.contains(QLatin1String("begins at")), qPrintable(compared.out + compared.err));
        const Answer fit = run({"ask", "real", alone, "--recording", in("real.wav"), "--fit", "level-a.decay", "--runs",
                                "120", "--out", in("fitted.json"), "--json"});
        QVERIFY2(fit.code == 0, qPrintable(fit.err));
        const double found = value(fit, "level-a.decay");
        QVERIFY2(std::abs(std::log2(found / real)) < 0.1, qPrintable(QStringLiteral("%1 for %2").arg(found).arg(real)));
        QFile fitted(in("fitted.json"));
        QVERIFY(fitted.open(QIODevice::ReadOnly));
        QVERIFY(QJsonDocument::fromJson(fitted.readAll()).isObject());
    }

    /// The simulated interface hears a file; what came in is asked of.
    void whatComesInIsRecorded() {
        QCOMPARE(run({"render", kLamp, "--seconds", "2", "--out", in("lamp.wav")}).code, 0);
        const Answer made = run({"record", in("in.flac"), "--seconds", "1.5", "--comes-in", in("lamp.wav"), "--json"});
        QVERIFY2(made.code == 0, qPrintable(made.err));
        QVERIFY(std::abs(made.json()["seconds"].toDouble() - 1.5) < 1e-6);
        QVERIFY(made.json()["peak"].toDouble() > 0.05);
        const Answer mixed = run({"ask", "content", in("in.flac"), "--mixed", "--averaged", "--linear", "--json"});
        QVERIFY2(mixed.code == 0 && value(mixed, "rms-volts") > 0.1, qPrintable(mixed.err));
        const Answer silent = run({"record", in("none.wav"), "--device", "Simulated interface"});
        QVERIFY(silent.code == 2 && silent.err.contains(QLatin1String("--comes-in")));
        QVERIFY(!QFile::exists(in("none.wav")));
        const Answer unknown = run({"record", in("none.wav"), "--device", "Elsewhere"});
        QVERIFY(unknown.code == 2 && unknown.err.contains(QLatin1String("Simulated interface")));
        QVERIFY(run({"record", in("none.wav"), "--comes-in", in("gone.wav")}).err.contains(QLatin1String("gone.wav")));
    }

    /// The sheet asks what the Bench was asked, with its picture, in every format that has pictures.
    void theSheetAsksToo() {
        QCOMPARE(run({"ask", "same", kLamp, "vca-2.out", "--on-sheet", "--out", in("asks.json")}).code, 0);
        QVERIFY(run({"ask", "same", kLamp, "vca-2.out", "--on-sheet"}).err.contains(QLatin1String("--in-place")));
        const Answer plain = run({"sheet", in("asks.json")});
        QVERIFY(plain.out.contains(QLatin1String("**Same each time? VCA 2 out** All 26 hits")));
        QVERIFY(!run({"sheet", in("asks.json"), "--without", "answers"}).out.contains(QLatin1String("Same each time")));
        QCOMPARE(run({"sheet", in("asks.json"), "--out", in("asks.html")}).code, 0);
        QFile page(in("asks.html"));
        QVERIFY(page.open(QIODevice::ReadOnly));
        const QByteArray html = page.readAll();
        QVERIFY(html.count("<svg") >= 2 && html.contains("26 hits over each other"));
        QCOMPARE(run({"read", in("asks.html"), "--out", in("back.json")}).code, 0);
        QFile back(in("back.json"));
        QVERIFY(back.open(QIODevice::ReadOnly) && back.readAll().contains("\"asked\""));
    }

    void notesTellHowWideAnOctaveIs() {
        const Answer guide = run({"module", "tune", "keel-vco-pair", "a.voct"});
        QVERIFY2(guide.out.contains(QLatin1String("C2")) && guide.out.contains(QLatin1String("C6")),
                 qPrintable(guide.out + guide.err));
        const Answer tuned = run({"module", "tune", "keel-vco-pair", "a.voct", "--note", "C2 = 65.0 Hz", "--note",
                                  "C4=261.626 Hz", "--note", "C6=1053 Hz", "--out", in("keel.json"), "--json"});
        QVERIFY2(tuned.code == 0, qPrintable(tuned.err));
        const double wide = 300.0 * std::log2(1053.0 / 65.0) - 1200.0; // four octaves
        QVERIFY(std::abs(tuned.json()["cents-per-octave"].toDouble() - wide) < 0.1);
        QVERIFY(QFile(in("keel.json")).size() > 500);
    }
};

QTEST_GUILESS_MAIN(AskCliTest)
#include "ask_cli_test.moc"
