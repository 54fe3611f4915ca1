// The command line: every subcommand on the demo, JSON answers, exit codes, and errors on stderr.
#include "blocks/block.h"
#include "cli/run.h"
#include "library/check.h"
#include "library/meaning.h"
#include "model/audio_file.h"
#include "support/patches.h"

#include <QtTest>

#include <QJsonArray>
#include <QJsonDocument>
#include <QJsonObject>
#include <QTemporaryDir>

using namespace lariat;
using namespace lariat::test;

class CliTest : public QObject {
    Q_OBJECT

    QTemporaryDir folder_;
    [[nodiscard]] QString in(const char* name) const { return folder_.filePath(QString::fromLatin1(name)); }

  private Q_SLOTS:
    void helpHasExamples() {
        const Answer answer = run({"--help"});
        QCOMPARE(answer.code, 0);
        for (const char* word : {"blocks", "modules", "check", "render", "measure", "tie", "sheet", "pattern", "diff",
                                 "scales", "responses", "scenes", "clocks", "reckon", "Examples", "Exit codes"})
            QVERIFY2(answer.out.contains(QLatin1String(word)), word);
        QCOMPARE(run({}).code, 3);
        QCOMPARE(run({"dance"}).code, 3);
    }

    /// The moves of building, each on the demo, and what they refuse.
    void building() {
        const QString made = in("built.json");
        const Answer free = run({"build", "free", kLamp, "--json"});
        QVERIFY(free.json().array().size() > 8);
        QCOMPARE(run({"build", "insert", kLamp, "--row", "1", "--what", "attenuverter", "--out", made}).code, 0);
        const auto cables = [](const QString& file) {
            QFile patch(file);
            return patch.open(QIODevice::ReadOnly)
                       ? QJsonDocument::fromJson(patch.readAll()).object()["cables"].toArray().size()
                       : -1;
        };
        QCOMPARE(cables(made), cables(kLamp) + 1); // into the part, and on from it
        QCOMPARE(run({"build", "insert", kLamp, "--row", "99", "--what", "vca", "--out", made}).code, 2);
        const Answer none = run({"build", "insert", kLamp, "--row", "1", "--what", "organ", "--out", made});
        QCOMPARE(none.code, 2);
        QVERIFY(none.err.contains(QLatin1String("build free")));
        const Answer ways = run({"build", "split", kLamp, "--from", "lfo.sine", "--to", "osc-a.pwm"});
        QCOMPARE(ways.code, 0);
        QVERIFY2(ways.out.contains(QLatin1String("cents a volt")), qPrintable(ways.out));
        QCOMPARE(
            run({"build", "split", kLamp, "--from", "lfo.sine", "--to", "osc-a.pwm", "--way", "1", "--out", made}).code,
            0);
        QCOMPARE(run({"build", "split", kLamp, "--from", "nothing", "--to", "osc-a.pwm"}).code, 2);
        QCOMPARE(run({"build", "double", kLamp, "--voice", "Lead", "--as", "Lead 2", "--out", made}).code,
                 2); // too few parts
        QVERIFY(run({"build", "path", kLamp, "--jack", "osc-a.saw"}).out.contains(QLatin1String("Filter in 1")));
        QCOMPARE(run({"build", "keep", kLamp, "--rule", "zero-attenuator", "--row", "13", "--because", "later", "--out",
                      made})
                     .code,
                 0);
        QVERIFY(run({"check", made}).out.contains(QLatin1String("kept (zero-attenuator): later")));
        QVERIFY(run({"sheet", made, "--out", in("kept.md")}).code == 0);
        QCOMPARE(run({"build", "keep", kLamp, "--rule", "drone", "--because", "x", "--out", made}).code, 2);
        QCOMPARE(run({"build", "morph", kLamp, "--mix", "0.5", "--out", made}).code, 2); // nothing is kept yet
        QCOMPARE(run({"build", "morph", kLamp, "--keep", "A", "--out", made}).code, 0);
        QCOMPARE(run({"build", "morph", made, "--keep", "B", "--in-place"}).code, 0);
        QCOMPARE(run({"build", "morph", made, "--mix", "0.5", "--in-place"}).code, 0);
    }

    void rowByRowAndSilenced() {
        const auto peak = [](const Answer& answer) { return answer.json().object()["peak-volts"].toDouble(); };
        const double whole = peak(run({"render", kLamp, "--seconds", "1", "--json"}));
        QVERIFY(whole > 1.0);
        QCOMPARE(peak(run({"render", kLamp, "--seconds", "1", "--until-row", "3", "--json"})), 0.0);
        QVERIFY(peak(run({"render", kLamp, "--seconds", "1", "--silence", "4", "--json"})) < 0.01);
        QCOMPARE(run({"render", kLamp, "--seconds", "1", "--silence", "99"}).code, 2);
    }

    void severalSentencesAllOrNone() {
        const QString out = in("tied.json");
        QCOMPARE(run({"tie", kLamp, "lfo sine to follower pwm", "lfo saw to filter in 2", "--out", out}).code, 0);
        QVERIFY(QFile::exists(out));
        const QString other = in("not-tied.json");
        const Answer half = run({"tie", kLamp, "lfo sine to follower pwm", "lfo saw to nowhere", "--out", other});
        QCOMPARE(half.code, 2);
        QVERIFY(half.err.contains(QLatin1String("sentence 2")));
        QVERIFY(!QFile::exists(other));
    }

    void everythingIsMendedInTurn() {
        const QString out = in("mended.json");
        const Answer fixed = run({"check", kLamp, "--fix", "--out", out});
        QCOMPARE(fixed.code, 0);
        const Answer again = run({"check", out, "--json"});
        QCOMPARE(again.code, 0);
        QVERIFY(again.json().array().isEmpty());
    }

    void benchAndTables() {
        const QJsonArray costs = run({"bench", "--json"}).json().array();
        QCOMPARE(costs.size(), static_cast<qsizetype>(lariat::blockTypes().size()));
        for (const auto& cost : costs) QVERIFY(cost.toObject()["nanoseconds"].toDouble() > 0.0);
        const Answer one = run({"blocks", "ladder"});
        QVERIFY(one.out.contains(QLatin1String("resonance")) && !one.out.contains(QLatin1String("quantizer")));
        QCOMPARE(run({"blocks", "organ"}).code, 2);
        const QString table = run({"blocks", "--tables"}).out;
        QVERIFY(table.contains(QLatin1String("four voices")) && table.contains(QLatin1String("pitch of voice 4")));
        QTemporaryDir folder;
        QFile figures(folder.filePath(QStringLiteral("figures")));
        QVERIFY(figures.open(QIODevice::WriteOnly));
        figures.write("ladder\twithin 0.1 dB\n");
        figures.close();
        const QString markdown = run({"blocks", "--markdown", "--figures", figures.fileName()}).out;
        QVERIFY(markdown.contains(QStringLiteral("| ✓ ladder |")) && markdown.contains(QLatin1String("within 0.1 dB")));
        QCOMPARE(run({"blocks", "--markdown", "--figures", "/no/such"}).code, 2);
    }

    void midiFilesGoInAndOut() {
        QTemporaryDir folder;
        const QString midi = folder.filePath(QStringLiteral("tune.mid"));
        const QString patch = QStringLiteral(LARIAT_SOURCE "/data/demo/first-voice.json");
        QCOMPARE(run({"midi", midi, "--patch", patch, "--post", "keys", "--write"}).code, 0);
        const QString out = folder.filePath(QStringLiteral("played.json"));
        const Answer in = run({"midi", midi, "--patch", patch, "--post", "keys", "--out", out, "--json"});
        QCOMPARE(in.json().object()["messages"].toInt(), 16);
        QCOMPARE(run({"check", out}).code, 0);
        QCOMPARE(run({"midi", midi, "--patch", patch, "--post", "osc", "--out", out}).code, 2);
        QCOMPARE(run({"midi", patch, "--patch", patch, "--post", "keys", "--out", out}).code, 2);
    }

    void theRealCaseSoundsDifferent() {
        QTemporaryDir folder;
        const QString patch = QStringLiteral(LARIAT_SOURCE "/data/demo/first-voice.json");
        const QString ideal = folder.filePath(QStringLiteral("ideal.wav"));
        const QString real = folder.filePath(QStringLiteral("real.wav"));
        QCOMPARE(run({"render", patch, "--seconds", "0.5", "--out", ideal}).code, 0);
        QCOMPARE(run({"render", patch, "--seconds", "0.5", "--out", real, "--real-case"}).code, 0);
        QFile a(ideal);
        QFile b(real);
        QVERIFY(a.open(QIODevice::ReadOnly) && b.open(QIODevice::ReadOnly));
        QVERIFY(a.readAll() != b.readAll());
    }

    void blocksAndModules() {
        const QJsonArray blocks = run({"blocks", "--json"}).json().array();
        QCOMPARE(blocks.size(), static_cast<qsizetype>(lariat::blockTypes().size()));
        for (const auto& block : blocks) QVERIFY(!block.toObject()["id"].toString().isEmpty());
        QVERIFY(run({"blocks"}).out.contains(QLatin1String("one volt per octave")));
        const QJsonArray modules = run({"modules", "--json"}).json().array();
        QVERIFY(modules.size() >= 13);
        QVERIFY(run({"modules"}).out.contains(QLatin1String("keel-vco-pair")));
    }

    void checkFindsTheMistakes() {
        const Answer answer = run({"check", kLamp, "--json"});
        QCOMPARE(answer.code, 1);
        const QJsonArray findings = answer.json().array();
        QCOMPARE(findings.size(), 3);
        for (const auto& finding : findings) {
            QVERIFY(!finding.toObject()["figure"].toString().isEmpty());
            QVERIFY(!finding.toObject()["fixes"].toArray().isEmpty());
            QVERIFY(finding.toObject()["row"].toInt() > 0);
        }
        QVERIFY(run({"check", kLamp}).out.contains(QLatin1String("3 findings in 21 cables")));
    }

    void checkFixes() {
        QCOMPARE(run({"check", kLamp, "--fix", "--out", in("fixed.json")}).code, 0);
        const Answer again = run({"check", in("fixed.json"), "--json"});
        QCOMPARE(again.code, 0);
        QCOMPARE(again.json().array().size(), 0);
    }

    void renderWritesMixAndProbes() {
        const Answer answer = run({"render", kLamp, "--seconds", "1.5", "--out", in("mix.wav"), "--probe",
                                   "osc-b:pulse=" + in("pulse.wav"), "--json"});
        QCOMPARE(answer.code, 0);
        const QJsonObject said = answer.json().object();
        QVERIFY(said["peak-volts"].toDouble() > 1.0);
        QCOMPARE(said["faults"].toInt(), 0);
        QVERIFY(said["times-real-time"].toDouble() > 0.0);
        const QJsonObject pulse = run({"measure", in("pulse.wav"), "--json"}).json().object();
        QVERIFY(std::abs(pulse["hertz"].toDouble() - 146.832) < 0.02);
        QCOMPARE(pulse["note"].toString(), QStringLiteral("D3"));
        QVERIFY(std::abs(pulse["seconds"].toDouble() - 1.5) < 0.001);
        QVERIFY(
            run({"measure", in("mix.wav"), "--from", "0.2", "--to", "0.4"}).out.startsWith(QLatin1String("0.200 s")));
    }

    void sameSeedSameFile() {
        run({"render", kLamp, "--seconds", "0.5", "--out", in("a.wav")});
        run({"render", kLamp, "--seconds", "0.5", "--out", in("b.wav")});
        QFile a(in("a.wav"));
        QFile b(in("b.wav"));
        QVERIFY(a.open(QIODevice::ReadOnly) && b.open(QIODevice::ReadOnly));
        QCOMPARE(a.readAll(), b.readAll());
    }

    void tieTiesSentences() {
        const Answer answer =
            run({"tie", kLamp, "lfo sine to follower pwm", "leader sub ÷2 to mixer in 3", "--out", in("tied.json")});
        QCOMPARE(answer.code, 0);
        QVERIFY(answer.out.contains(QLatin1String("tied LFO sine to Follower pwm")));
        QFile file(in("tied.json"));
        QVERIFY(file.open(QIODevice::ReadOnly));
        QCOMPARE(QJsonDocument::fromJson(file.readAll()).object()["cables"].toArray().size(), 23);
    }

    void aSentenceThatFailsLeavesTheFile() {
        QVERIFY(QFile::copy(kLamp, in("kept.json")));
        const Answer answer = run({"tie", in("kept.json"), "lfo sine to follower pwm", "moon beam to follower fm"});
        QCOMPARE(answer.code, 2);
        QVERIFY(answer.err.contains(QLatin1String("moon beam")));
        QFile before(kLamp);
        QFile after(in("kept.json"));
        QVERIFY(before.open(QIODevice::ReadOnly) && after.open(QIODevice::ReadOnly));
        QCOMPARE(after.readAll(), before.readAll());
    }

    void sheetsAreWritten() {
        QVERIFY(run({"sheet", kLamp}).out.contains(QLatin1String("# Lamp")));
        QCOMPARE(run({"sheet", kLamp, "--out", in("lamp.md")}).code, 0);
        QCOMPARE(run({"sheet", kLamp, "--out", in("lamp.pdf")}).code, 0);
        QFile pdf(in("lamp.pdf"));
        QVERIFY(pdf.open(QIODevice::ReadOnly));
        QVERIFY(pdf.readAll().startsWith("%PDF-"));
        QVERIFY(pdf.size() > 20'000);
        QCOMPARE(run({"sheet", kLamp, "--out", in("lamp.doc")}).code, 2);
    }

    /// What a reader of the PDF can read: the title, every cable with both its ends, every post with its knobs.
    void theWordsOfThePdf() {
        QCOMPARE(run({"sheet", kLamp, "--out", in("read.pdf")}).code, 0);
        QProcess reader;
        reader.start(QStringLiteral("pdftotext"), {QStringLiteral("-layout"), in("read.pdf"), QStringLiteral("-")});
        QVERIFY(reader.waitForFinished(60'000));
        const QString text = QString::fromUtf8(reader.readAllStandardOutput()).simplified();
        QVERIFY(text.contains(QLatin1String("Lamp")));
        const Patch patch = test::lamp();
        const Library& library = test::workspace().library;
        for (const Post& post : patch.posts) {
            QVERIFY2(text.contains(QString::fromStdString(post.name)), post.name.c_str());
            for (const KnobInfo& knob : library.part(post)->knobs) {
                const auto value = knobInForce(patch, post, *library.part(post), knob);
                QVERIFY2(text.contains(QString::fromStdString(value.scale->text(value.value)).simplified()),
                         (post.name + " " + knob.name).c_str());
            }
        }
        for (const Cable& cable : patch.cables)
            for (const JackRef& end : {cable.from, cable.to})
                QVERIFY2(text.contains(QString::fromStdString(library.jack(patch, end)->name)), end.text().c_str());
        QVERIFY(!text.contains(QChar(0xFFFD)) && !text.contains(QLatin1String("{}")));
    }

    /// Headings are bookmarks, voices above their steps; the attachment and the title survive them.
    void thePdfHasBookmarks() {
        QCOMPARE(run({"sheet", kLamp, "--layout", "workbook", "--out", in("marks.pdf")}).code, 0);
        QProcess reader;
        reader.start(QStringLiteral("pdftohtml"),
                     {QStringLiteral("-xml"), QStringLiteral("-i"), QStringLiteral("-stdout"), in("marks.pdf")});
        QVERIFY(reader.waitForFinished(60'000));
        const QString xml = QString::fromUtf8(reader.readAllStandardOutput());
        const QString outline = xml.mid(xml.indexOf(QLatin1String("<outline>")));
        QVERIFY2(xml.contains(QLatin1String("<outline>")), qPrintable(xml.right(400)));
        for (const char* heading : {"Cautions", "Lead", "Kick", "make it sound"})
            QVERIFY2(outline.contains(QLatin1String(heading)), qPrintable(outline));
        QVERIFY(outline.count(QLatin1String("<outline>")) > 1); // steps below their voice
        QCOMPARE(run({"read", in("marks.pdf"), "--out", in("from-marks.json")}).code, 0);
        const auto same = openPatch(in("from-marks.json").toStdString(), test::workspace().library);
        QVERIFY(same && *same == test::lamp());
    }

    /// A sheet in another language, from the command line as from the window.
    void sheetsAreWrittenInGerman() {
        const QString english = run({"sheet", kLamp}).out;
        const Answer german = run({"sheet", kLamp, "--language", "de"});
        QCOMPARE(german.code, 0);
        QVERIFY(english.contains(QLatin1String("## Cables")) && !german.out.contains(QLatin1String("## Cables")));
        QVERIFY2(german.out.contains(QLatin1String("## Kabel")), qPrintable(german.out.left(2000)));
        QVERIFY(german.out.contains(QStringLiteral("Reihe ")));
        // It is read back like the English one.
        QFile file(in("german.md"));
        QVERIFY(file.open(QIODevice::WriteOnly));
        file.write(german.out.toUtf8());
        file.close();
        QCOMPARE(run({"read", in("german.md"), "--out", in("from-german.json")}).code, 0);
        QCOMPARE(run({"sheet", kLamp, "--language", "xx"}).code, 3);
    }

    void soundHasItsFormat() {
        const QString flac = in("lamp.flac");
        QCOMPARE(run({"render", kLamp, "--seconds", "0.5", "--rate", "44100", "--out", flac}).code, 0);
        const auto read = readAudio(flac.toStdString());
        QVERIFY(read);
        QCOMPARE(read->rate, 44100.0);
        QCOMPARE(read->samples.size(), std::size_t{2 * 22050});
        const Answer refused = run({"render", kLamp, "--bits", "32", "--out", flac});
        QCOMPARE(refused.code, 2);
        QVERIFY(refused.err.contains(QLatin1String("16 or 24 bits")));
        QCOMPARE(run({"render", kLamp, "--bits", "20", "--out", flac}).code, 3);
    }

    void differencesAreSaid() {
        QCOMPARE(run({"diff", kLamp, kLamp}).code, 0);
        QCOMPARE(run({"tie", kLamp, "filter cutoff 500 Hz", "--out", in("turned.json")}).code, 0);
        const Answer answer = run({"diff", kLamp, in("turned.json")});
        QCOMPARE(answer.code, 1);
        QVERIFY2(answer.out.startsWith(QLatin1String("Filter Cutoff -")) &&
                     answer.out.contains(QLatin1String("500 Hz")),
                 qPrintable(answer.out));
        QCOMPARE(run({"diff", kLamp, in("turned.json"), "--json"}).json().array().size(), 1);
    }

    void sheetsAreWrittenAndRead() {
        for (const char* ending : {"pdf", "html", "svg", "csv", "knobs.csv", "dot", "md"}) {
            const QString file = in("lamp.") + QLatin1String(ending);
            QCOMPARE(run({"sheet", kLamp, "--layout", "one-page", "--paper", "letter", "--grey", "--out", file}).code,
                     0);
            if (ending != std::string("pdf") && ending != std::string("html") && ending != std::string("svg")) continue;
            QCOMPARE(run({"read", file, "--out", in("back.json"), "--into", in("own-of-sheet")}).code, 0);
            QCOMPARE(run({"diff", kLamp, in("back.json")}).code, 0);
            QCOMPARE(run({"sheet", kLamp, "--bare", "--out", file}).code, 0);
            const Answer bare = run({"read", file, "--out", in("back.json")});
            QVERIFY2(bare.code == 2 && bare.err.contains(QLatin1String("no patch travels in it")),
                     qPrintable(bare.err));
        }
        QVERIFY(run({"sheet", kLamp, "--format", "dot"}).out.startsWith(QLatin1String("digraph \"Lamp\"")));
        QVERIFY(!run({"sheet", kLamp, "--without", "cautions,knobs"}).out.contains(QLatin1String("ribbon")));
        QCOMPARE(run({"sheet", kLamp, "--with", "dreams"}).code, 3);
        QCOMPARE(run({"sheet", kLamp, "--out", in("lamp.odt")}).code, 2);
        // Pages are counted as somebody sees them: one page is one page.
        QProcess info;
        QCOMPARE(run({"sheet", kLamp, "--layout", "one-page", "--out", in("one.pdf")}).code, 0);
        info.start(QStringLiteral("pdfinfo"), {in("one.pdf")});
        QVERIFY(info.waitForFinished() && info.readAllStandardOutput().simplified().contains("Pages: 1 "));
    }

    void notesAreRead() {
        QFile notes(in("notes.txt"));
        QVERIFY(notes.open(QIODevice::WriteOnly));
        notes.write(
            "VCO1 saw -> VCF in, cutoff ~ 10 o'clock, res ?\nVCF -> VCA -> out\nenv 1 decay short\ngronk to out\n");
        notes.close();
        const Answer answer = run({"read", in("notes.txt"), "--out", in("from-notes.json")});
        QCOMPARE(answer.code, 1);
        QVERIFY2(answer.out.contains(QLatin1String("3 of 4 lines understood, 3 cables, 3 knobs unknown")),
                 qPrintable(answer.out));
        QCOMPARE(run({"unknown", in("from-notes.json")}).code, 0);
        QCOMPARE(run({"read", in("notes.txt"), "--case", "no-case", "--out", in("x.json")}).code, 2);
        QCOMPARE(run({"read", in("notes.txt"), "--out", in("again.json"), "--json"})
                     .json()
                     .object()["lines"]
                     .toArray()
                     .size(),
                 4);
    }

    /// Takes from the command line: kept, found, told apart, given away and taken in.
    void takesAreKeptAndFound() {
        const auto log = [&](const QStringList& arguments) {
            return run(QStringList{"log", "--log", in("takes.sqlite")} + arguments);
        };
        QVERIFY(log({"list"}).out.contains(QLatin1String("no take yet")));
        const Answer first = log({"take", kLamp, "--name", "as shipped", "--tag", "lead", "--json"});
        QCOMPARE(first.code, 0);
        QCOMPARE(first.json().object()["id"].toInt(), 1);
        QVERIFY(first.json().object()["figures"].toObject()["level"].toDouble() < -10.0);
        QCOMPARE(run({"tie", kLamp, "filter cutoff 655 Hz", "--out", in("dark.json")}).code, 0);
        QCOMPARE(log({"take", in("dark.json"), "--name", "dark", "--rating", "4", "--at", "2026-11-03T20:05"}).code, 0);
        QCOMPARE(log({"take", kLamp, "--at", "soon"}).code, 2);
        QCOMPARE(log({"take", kLamp, "--from", "77"}).code, 2);
        QCOMPARE(log({"find", "rated 4, brightness below 250 Hz", "--json"}).json().array().size(), 1);
        QCOMPARE(log({"find", "tail X9"}).code, 2);
        const Answer diff = log({"diff", "1", "2"});
        QCOMPARE(diff.code, 1);
        QVERIFY2(diff.out.contains(QStringLiteral("Filter Cutoff -71 minutes (1480 Hz → 655 Hz)")) &&
                     diff.out.contains(QLatin1String("duller by")),
                 qPrintable(diff.out));
        QCOMPARE(log({"diff", "1", kLamp}).code, 0); // against a file
        QCOMPARE(log({"merge", "1", "2", kLamp, "--out", in("merged.json")}).code, 0);
        QCOMPARE(run({"diff", in("merged.json"), in("dark.json")}).code, 0);
        QCOMPARE(log({"show", "2", "--out", in("again.json"), "--sound", in("again.flac")}).code, 0);
        QCOMPARE(run({"diff", in("again.json"), in("dark.json")}).code, 0);
        QVERIFY(readAudio(in("again.flac").toStdString())->samples.size() > 700'000);
        QCOMPARE(log({"label", "2", "--name", "darker", "--rating", "5"}).code, 0);
        QCOMPARE(log({"export", "2", "--out", in("two.lariat-bundle")}).code, 0);
        const Answer brought = log({"import", in("two.lariat-bundle"), "--into", in("own"), "--json"});
        QCOMPARE(brought.json().object()["id"].toInt(), 3);
        QVERIFY(brought.json().object()["renamed"].toArray().isEmpty()); // its modules are those that are here
        const Answer shown = log({"show", "3", "--json"});
        QCOMPARE(shown.json().object()["name"].toString(), QStringLiteral("darker"));
        QVERIFY(log({"diary", "--day", "2026-11-03"}).out.contains(QStringLiteral("## 2 · darker")));
        QCOMPARE(log({"diary", "--day", "someday"}).code, 2);
        QCOMPARE(log({"throw-away", "3"}).code, 0);
        QCOMPARE(log({"list", "--json"}).json().array().size(), 2);
        QCOMPARE(log({"take-back", "3"}).code, 0);
        QVERIFY(log({"thin", "--before", "2026-11-04", "--below", "6"}).out.startsWith(QLatin1String("2 sounds went")));
        QCOMPARE(log({"check", "--json"}).json().object()["takes"].toInt(), 3);
        QCOMPARE(run({"log", "--log", kLamp, "list"}).code, 2);
    }

    void patternsAreShownWrittenAndRefused() {
        const Answer shown = run({"pattern", kLamp});
        QCOMPARE(shown.code, 0);
        QVERIFY2(shown.out.contains(QStringLiteral("D3,0.46 F3,0.46 A3!,0.46 -")), qPrintable(shown.out));
        const QString made = in("steps.json");
        QCOMPARE(
            run({"pattern", kLamp, "--track", "1", "--words", "d3 - f3~ = c4!", "--swing", "60", "--out", made}).code,
            0);
        const Answer again = run({"pattern", made, "--json"});
        const QJsonObject track = again.json().array().first().toObject();
        QCOMPARE(track["words"].toString(), QStringLiteral("D3 - F3,~ = C4!"));
        QCOMPARE(track["swing"].toDouble(), 60.0);
        QCOMPARE(run({"pattern", made, "--track", "1", "--rotate", "1", "--degrees", "1", "--in-place"}).code, 0);
        QCOMPARE(run({"pattern", made, "--json"}).json().array().first().toObject()["words"].toString(),
                 QStringLiteral("D4! E3 - G3,~ ="));
        // What is not possible leaves the file as it is.
        const auto refused = [&](const QStringList& more, const char* why) {
            const Answer answer = run(QStringList{"pattern", made} + more + QStringList{"--in-place"});
            QVERIFY2(answer.code == 2 && answer.err.contains(QLatin1String(why)), qPrintable(answer.err));
        };
        refused({"--track", "1", "--words", "d3 h3"}, "step 2");
        refused({"--track", "3", "--words", "d3"}, "this module has 2");
        refused({"--lane", "9", "--words", "x"}, "this module has 4");
        refused({"--track", "1", "--variation", "Z", "--words", "d3"}, "A to H");
        refused({"--post", "osc-a", "--track", "1", "--words", "d3"}, "no post with steps");
        QCOMPARE(run({"pattern", made, "--track", "1", "--swing", "99", "--in-place"}).code, 3);
        // To MIDI, and back into another line.
        const QString midi = in("line.mid");
        QCOMPARE(run({"pattern", kLamp, "--track", "1", "--to-midi", midi}).code, 0);
        QCOMPARE(run({"pattern", made, "--track", "2", "--from-midi", midi, "--in-place"}).code, 0);
        QVERIFY(run({"pattern", made}).out.contains(QStringLiteral("D3,0.46 F3,0.46 A3,0.46,v120 - C4,0.46")));
        QCOMPARE(run({"pattern", kLamp, "--lane", "1", "--to-midi", midi}).code, 0);
        QCOMPARE(run({"pattern", made, "--lane", "2", "--from-midi", midi, "--note", "C2", "--in-place"}).code, 0);
        QVERIFY(run({"pattern", made}).out.contains(QStringLiteral("B track 2")) == false);
        // A second reader of such files agrees on what stands in one.
        QProcess other;
        other.start(QStringLiteral("file"), {midi});
        if (other.waitForFinished(10'000)) QVERIFY(other.readAllStandardOutput().contains("Standard MIDI"));
    }

    void responsesForecastAndFit() {
        const Answer answer = run({"responses", kLamp, "--contours", "--json"});
        QCOMPARE(answer.code, 0);
        const QJsonObject contour = answer.json().object()["contours"].toArray().first().toObject();
        QCOMPARE(contour["strikes"].toArray().size(), 14);
        QVERIFY(!contour["strikes"].toArray().first().toObject()["reached"].toBool());
        const Answer forecast = run({"responses", kLamp, "--tempo", "40..240"});
        QVERIFY2(forecast.out.contains(QStringLiteral("up to 73 BPM every note reaches sustain")),
                 qPrintable(forecast.out));
        const QString fitted = in("fitted.json");
        QCOMPARE(run({"responses", kLamp, "--fit", "contour-1", "--out", fitted}).code, 0);
        QVERIFY(
            run({"responses", fitted, "--contours"}).out.contains(QStringLiteral("sustain reached on all 14 notes")));
        QCOMPARE(run({"responses", kLamp, "--fit", "osc-a", "--out", fitted}).code, 2);
        QCOMPARE(run({"responses", kLamp, "--tempo", "fast"}).code, 2);
        QCOMPARE(run({"responses", kLamp, "--tempo", "10..20"}).code, 2);
    }

    void scenesClocksAndReckoner() {
        const QString night = QStringLiteral(LARIAT_SOURCE "/data/demo/night-watch.json");
        const Answer shown = run({"scenes", night});
        QVERIFY(shown.out.contains(QStringLiteral("Swell: 8 bars")));
        QVERIFY(!shown.out.contains(QStringLiteral("# "))); // two hands can play it
        const QString words = in("scenes.txt");
        QFile file(words);
        QVERIFY(file.open(QIODevice::WriteOnly));
        file.write("One: 2 bars\n  clock tempo 240 BPM\n");
        file.close();
        const QString made = in("scenes.json");
        QCOMPARE(run({"scenes", kLamp, "--words", words, "--out", made}).code, 0);
        // Two bars at 240 BPM and what rings on: six seconds.
        const Answer song =
            run({"render", made, "--scenes", "--out", in("song.wav"), "--stems", in("stems"), "--json"});
        QVERIFY(std::abs(song.json().object()["seconds"].toDouble() - 6.0) < 1e-6);
        QVERIFY(song.json().object()["stems"].toArray().size() >= 1);
        QVERIFY(QFile::exists(song.json().object()["stems"].toArray().first().toString()));
        QCOMPARE(run({"render", kLamp, "--scenes", "--out", in("song.wav")}).code, 2);
        QVERIFY(file.open(QIODevice::WriteOnly));
        file.write("One: 2 bars\n  nobody level 3\n");
        file.close();
        const Answer wrong = run({"scenes", kLamp, "--words", words, "--in-place"});
        QCOMPARE(wrong.code, 2);
        QVERIFY2(wrong.err.contains(QStringLiteral("scenes.txt")) && wrong.err.contains(QStringLiteral("line 2")),
                 qPrintable(wrong.err));
        const Answer clocks = run({"clocks", QStringLiteral(LARIAT_SOURCE "/data/demo/tide-clock.json"), "--json"});
        QVERIFY(std::abs(clocks.json().object()["branches"].toArray().first().toObject()["hertz"].toDouble() - 7.2) <
                1e-3);
        QVERIFY(run({"reckon", "112", "bpm"}).out.contains(QStringLiteral("133.93 ms")));
        QCOMPARE(run({"reckon", "wobble"}).code, 2);
    }

    void errorsNameFilePathAndReason_data() {
        QTest::addColumn<QStringList>("arguments");
        QTest::addColumn<QString>("says");
        QTest::newRow("no file") << QStringList{"check", "/no/such.json"} << "/no/such.json: cannot be opened";
        QTest::newRow("not a patch") << QStringList{"check",
                                                    QStringLiteral(LARIAT_SOURCE "/data/cases/keepers-case.json")}
                                     << "keepers-case.json: format";
        QTest::newRow("no probe") << QStringList{"render", kLamp, "--probe", "moon:x=y.wav"} << "moon.x";
        QTest::newRow("probe unread") << QStringList{"render", kLamp, "--probe", "osc-a"} << "post.jack=file.wav";
        QTest::newRow("no place") << QStringList{"render", kLamp, "--seconds", "0.1", "--out", "/no/such/a.wav"}
                                  << "/no/such/a.wav";
        QTest::newRow("not audio") << QStringList{"measure", kLamp} << "cannot be read as audio";
        QTest::newRow("no samples there") << QStringList{"measure", kLamp, "--from", "9"} << "lamp.json";
    }
    void errorsNameFilePathAndReason() {
        QFETCH(QStringList, arguments);
        QFETCH(QString, says);
        const Answer answer = run(arguments);
        QCOMPARE(answer.code, 2);
        QVERIFY2(answer.err.contains(says), qPrintable(answer.err));
    }

    void badOptionsAreRefused() {
        QCOMPARE(run({"render", kLamp, "--seconds", "-1"}).code, 3);
        QCOMPARE(run({"render", kLamp, "--engine-rate", "12345"}).code, 3);
        QCOMPARE(run({"render"}).code, 3);
    }

    void faultsAreSaidInJsonToo() {
        const Answer bad = run({"check", "/no/such.json", "--json"});
        QCOMPARE(bad.code, 2);
        QCOMPARE(bad.json().object()[QStringLiteral("file")].toString(), QStringLiteral("/no/such.json"));
        QVERIFY(!bad.json().object()[QStringLiteral("error")].toString().isEmpty());
        QVERIFY(run({"--version"}).out.contains(QStringLiteral("lariat-cli 0.")));
        QVERIFY(run({"build", "path", kLamp, "--jack", "osc-a.saw", "--json"}).json().array().size() > 2);
        QCOMPARE(run({"build", "keep", kLamp, "--rule", "no-such-rule", "--row", "3", "--because", "x", "--out",
                      in("k.json")})
                     .code,
                 2);
    }

    /// No input is turned into something else, and an answer that cannot be written is no success.
    void nothingIsWrittenOverUnasked() {
        const QString patch = in("mine.json");
        QVERIFY(QFile::copy(kLamp, patch));
        QFile::setPermissions(patch, QFile::ReadOwner | QFile::WriteOwner);
        QCOMPARE(run({"render", patch, "--seconds", "0.2", "--out", patch}).code, 2);
        QCOMPARE(run({"sheet", patch, "--out", in("mine.json")}).code, 2);
        QCOMPARE(run({"check", patch, "--json"}).json().object().isEmpty() && run({"check", patch}).out.isEmpty(),
                 false);
        QCOMPARE(run({"render", patch, "--seconds", "0.2", "--out", ""}).code == 0, false);
        if (!QFile::exists(QStringLiteral("/dev/full"))) return;
        QProcess process;
        process.setStandardOutputFile(QStringLiteral("/dev/full"));
        process.start(QStringLiteral(LARIAT_CLI), {QStringLiteral("blocks")});
        QVERIFY(process.waitForFinished());
        QCOMPARE(process.exitCode(), 2);
    }

    void sentencesTakePartsFromTheCase() {
        QFile empty(in("empty.lariat"));
        QVERIFY(empty.open(QIODevice::WriteOnly));
        empty.write("{\"format\":\"lariat-patch\",\"version\":1,\"title\":\"New\",\"case\":\"keepers-case\",\"seed\":1,"
                    "\"posts\":[],\"cables\":[],\"patterns\":[]}");
        empty.close();
        const Answer built = run({"tie", in("empty.lariat"), "vco saw to filter in", "filter low-pass to line out in l",
                                  "filter cutoff 412 Hz", "--in-place", "--json"});
        QCOMPARE(built.code, 0);
        QCOMPARE(built.json().object()[QStringLiteral("taken")].toArray().size(), 3);
        QVERIFY(run({"check", in("empty.lariat"), "--json"}).code != 2);
    }

    /// A module becomes lines, is changed, made, tried on the stand, and calibrated; every fault at its line.
    void modulesAreMade() {
        const Answer words = run({"module", "words", "cask-drum"});
        QCOMPARE(words.code, 0);
        QVERIFY(words.out.startsWith(QLatin1String("module Cask drum")));
        const auto put = [](const QString& file, const QString& text) {
            QFile out(file);
            QVERIFY(out.open(QIODevice::WriteOnly));
            out.write(text.toUtf8());
        };
        QString text = words.out;
        put(in("drum.txt"), text.replace(QLatin1String("Cask drum"), QLatin1String("Own drum")));
        const Answer made = run({"module", "make", in("drum.txt"), "--out", in("drum.json"), "--json"});
        QCOMPARE(made.json().object()[QStringLiteral("id")].toString(), QStringLiteral("own-drum"));
        put(in("bad.txt"), text.replace(QLatin1String("osc sine"), QLatin1String("osc sien")) + "nonsense\n");
        const Answer bad = run({"module", "make", in("bad.txt")});
        QCOMPARE(bad.code, 2);
        QVERIFY(bad.err.contains(QLatin1String("near: sine")) && bad.err.count(QLatin1String("line ")) == 2);
        QCOMPARE(
            run({"module", "make", in("bad.txt"), "--json"}).json().object()[QStringLiteral("faults")].toArray().size(),
            2);
        const Answer tried =
            run({"module", "try", in("drum.json"), "--seconds", "2", "--out", in("drum.wav"), "--json"});
        QCOMPARE(tried.json().object()[QStringLiteral("outputs")].toArray().size(), 2);
        QVERIFY(readAudio(in("drum.wav").toStdString()));
        const Answer fitted =
            run({"module", "calibrate", "skerry-filter", "cutoff", "--read", "80 Hz at 8:00", "--read",
                 "200 Hz at 10:00", "--read", "500 Hz at 12:00", "--out", in("filter.json"), "--json"});
        QCOMPARE(fitted.json().object()[QStringLiteral("law")].toString(), QStringLiteral("exponential"));
        QVERIFY(QFile::exists(in("filter.json")));
        const Answer against = run(
            {"module", "calibrate", "skerry-filter", "cutoff", "--read", "80 Hz at 8:00", "--read", "90 Hz at 8:00"});
        QCOMPARE(against.code, 2);
        QVERIFY(against.err.contains(QLatin1String("contradict")));
        QCOMPARE(run({"module", "words", "organ"}).code, 2);
    }

    void whatIsUnknownIsAskedFor() {
        QCOMPARE(
            run({"tie", kLamp, "filter cutoff unknown; filter resonance between 9:00 and 10:00", "--out", in("u.json")})
                .code,
            0);
        const QJsonObject unknown = run({"unknown", in("u.json"), "--ask", "--json"}).json().object();
        const QJsonArray list = unknown[QStringLiteral("unknown")].toArray();
        QCOMPARE(list.size(), 2);
        QCOMPARE(list[0].toObject()[QStringLiteral("knob")].toString(), QStringLiteral("cutoff"));
        QVERIFY(list[0].toObject()[QStringLiteral("tells")].toDouble() > 3.0);
        QVERIFY(run({"unknown", kLamp}).out.startsWith(QLatin1String("0 of ")));
        // Steps, ends of cables and parts are counted as well.
        QCOMPARE(
            run({"tie", kLamp, "filter band to ?; unknown part grey box; tracks lane 1: x.?.", "--out", in("v.json")})
                .code,
            0);
        const QString told = run({"unknown", in("v.json")}).out;
        for (const char* text :
             {"Filter band-pass to nobody knows where", "nobody knows what grey box is", "1 steps unknown"})
            QVERIFY2(told.contains(QLatin1String(text)), qPrintable(told));
        const QJsonObject all = run({"unknown", in("v.json"), "--json"}).json().object();
        QCOMPARE(all[QStringLiteral("open-ends")].toArray().size(), 1);
        QCOMPARE(all[QStringLiteral("parts")].toArray().size(), 1);
        QCOMPARE(all[QStringLiteral("steps")].toInt(), 1);
    }

    void wishesAndJoinedCases() {
        const Answer wish = run({"plan", "make", "--want", "vco, filter, vca, contour for filter and vca", "--case",
                                 "tower-case", "--out", in("wish.json")});
        QCOMPARE(wish.code, 0);
        QVERIFY(QFile::exists(in("wish.json")));
        QCOMPARE(run({"plan", "make", "--want", "2 vcq", "--case", "tower-case"}).code, 2);
        QCOMPARE(run({"plan", "make", "--case", "tower-case"}).code, 2);
        const Answer joined =
            run({"stock", "join", "keepers-case", "--with", "tower-case", "--name", "Both", "--out", in("both.json")});
        QCOMPARE(joined.code, 0);
        QVERIFY(QFile::exists(in("both.json")));
        QCOMPARE(run({"stock", "cables", "keepers-case", "--stackable", "4", "--out", in("c.json")}).code, 0);
        QVERIFY(run({"stock", "cables", "keepers-case", "--out", in("c.json")}).code != 0);
        QCOMPARE(run({"plan", "keep", kLamp, "--voice", "Kick", "--name", "K", "--vary", "nobody.decay"}).code, 2);
    }
};

QTEST_GUILESS_MAIN(CliTest)
#include "cli_test.moc"
