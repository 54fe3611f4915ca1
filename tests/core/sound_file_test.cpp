// Sound on its way to files: bits and dither, straight from the engine, and what a full or shared disk does to it.
#include "engine/render.h"
#include "model/audio_file.h"
#include "model/file.h"
#include "model/sound_writer.h"
#include "support/analysis.h"
#include "support/patches.h"
#include "timing/stems.h"
#include "timing/to_files.h"

#include <QFile>
#include <QTemporaryDir>
#include <QtTest>

#include <cmath>
#include <numbers>

using namespace lariat;
using namespace lariat::test;

namespace {

class Folder {
  public:
    [[nodiscard]] std::filesystem::path at(const char* name) const {
        return folder_.filePath(QString::fromUtf8(name)).toStdString();
    }
    [[nodiscard]] QStringList files() const { return QDir(folder_.path()).entryList(QDir::Files, QDir::Name); }

  private:
    QTemporaryDir folder_;
};

std::vector<float> sine(double amplitude, double hertz = 997.0, std::size_t frames = 48000) {
    std::vector<float> out(frames);
    for (std::size_t i = 0; i < frames; ++i)
        out[i] =
            static_cast<float>(amplitude * std::sin(2.0 * std::numbers::pi * hertz * static_cast<double>(i) / 48000.0));
    return out;
}

std::vector<float> throughFile(const std::filesystem::path& file, const std::vector<float>& samples, int bits) {
    auto writer = SoundWriter::replacing(file, {48000.0, 1, bits});
    if (!writer || !writer->write(samples) || !writer->commit()) return {};
    const auto read = readAudio(file);
    return read ? read->samples : std::vector<float>{};
}

} // namespace

class SoundFileTest : public QObject {
    Q_OBJECT

  private Q_SLOTS:
    /// What is lost lies within two steps and follows nothing: no harmonic of a sine of one step stands out.
    void wholeNumbersAreDithered_data() {
        QTest::addColumn<QString>("name");
        QTest::addColumn<int>("bits");
        QTest::newRow("wav, 16") << QStringLiteral("a.wav") << 16;
        QTest::newRow("wav, 24") << QStringLiteral("a.wav") << 24;
        QTest::newRow("flac, 16") << QStringLiteral("a.flac") << 16;
        QTest::newRow("flac, 24") << QStringLiteral("A.FLAC") << 24;
    }
    void wholeNumbersAreDithered() {
        QFETCH(QString, name);
        QFETCH(int, bits);
        const Folder folder;
        const double step = std::ldexp(1.0, 1 - bits);
        const auto samples = sine(1.2 * step);
        const auto read = throughFile(folder.at(qPrintable(name)), samples, bits);
        QCOMPARE(read.size(), samples.size());
        double squares = 0.0;
        double sum = 0.0;
        for (std::size_t i = 0; i < read.size(); ++i) {
            const double lost = static_cast<double>(read[i] - samples[i]) / step;
            QVERIFY(std::abs(lost) < 1.5 + 1e-6);
            squares += lost * lost;
            sum += lost;
        }
        // Triangular dither and rounding: a quarter of a step squared, without DC (24 bits are more than a float has
        // at full scale, but not down here).
        const double n = static_cast<double>(read.size());
        QVERIFY(std::abs(squares / n - 0.25) < 0.01);
        QVERIFY(std::abs(sum / n) < 0.01);
        const Spectrum spectrum = measureSpectrum(read, 48000.0);
        QVERIFY(std::abs(spectrum.at(997.0) / step - 1.2) < 0.02);
        for (const double harmonic : {3.0, 5.0, 7.0, 9.0})
            QVERIFY2(spectrum.at(harmonic * 997.0) < 0.02 * step, qPrintable(QString::number(harmonic)));
    }

    void whatIsTooLoudIsHeld() {
        const Folder folder;
        for (const int bits : {16, 24}) {
            const auto read = throughFile(folder.at("loud.wav"), {1.5f, -1.5f, 1.0f, -1.0f}, bits);
            QCOMPARE(read.size(), std::size_t{4});
            for (const std::size_t i : {0u, 2u}) QVERIFY(read[i] > 0.999f && read[i] <= 1.0f);
            for (const std::size_t i : {1u, 3u}) QVERIFY(read[i] >= -1.0f && read[i] < -0.999f);
        }
        QCOMPARE(throughFile(folder.at("loud.wav"), {1.5f, -1.5f}, 32), (std::vector<float>{1.5f, -1.5f}));
    }

    void whatAFileCannotHoldIsRefused() {
        const Folder folder;
        const auto flac = SoundWriter::replacing(folder.at("a.flac"), {48000.0, 2, 32});
        QVERIFY(!flac);
        QVERIFY(flac.error().text().find("FLAC holds 16 or 24 bits") != std::string::npos);
        QVERIFY(!SoundWriter::replacing(folder.at("a.wav"), {48000.0, 2, 20}));
        QVERIFY(folder.files().isEmpty());
    }

    /// A take is kept true while it grows, belongs to one recording, and does not take the place of a patch.
    void aTakeIsThereWhateverHappens() {
        const Folder folder;
        const auto file = folder.at("take.wav");
        auto writer = SoundWriter::into(file, {48000.0, 2, 32});
        QVERIFY(writer);
        const std::vector<float> second(96000, 0.25f);
        for (int n = 0; n < 3; ++n) QVERIFY(writer->write(second));
        const auto killed = readAudio(file); // nobody has ended it
        QVERIFY2(killed, killed ? "" : killed.error().text().c_str());
        QVERIFY(killed->samples.size() >= 2 * 96000);
        const auto other = SoundWriter::into(file, {48000.0, 2, 32});
        QVERIFY(!other);
        QVERIFY(other.error().text().find("recorded to already") != std::string::npos);
        QVERIFY(writer->commit());
        QCOMPARE(readAudio(file)->samples.size(), std::size_t{3 * 96000});
        QVERIFY(writeFile(folder.at("p.json"), "{\"format\": \"lariat-patch\"}", FileKind::Patch));
        QVERIFY(!SoundWriter::into(folder.at("p.json"), {}));
    }

    /// The same samples as when all of it is held, at every rate.
    void straightToFilesIsTheSame_data() {
        QTest::addColumn<double>("rate");
        for (const double rate : {44100.0, 48000.0, 96000.0}) QTest::newRow(qPrintable(QString::number(rate))) << rate;
    }
    void straightToFilesIsTheSame() {
        QFETCH(double, rate);
        const Folder folder;
        RenderOptions options;
        options.seconds = 1.7;
        options.fileRate = rate;
        options.probes = {jackRef("osc-a.saw"), jackRef("filter.in-1")};
        const auto held = render(lamp(), workspace().library, options);
        QVERIFY(held);
        const auto made =
            renderToFiles(lamp(), workspace().library, options,
                          {folder.at("mix.wav"), {}, {rate, 2, 32}, {folder.at("a.wav"), folder.at("b.wav")}});
        QVERIFY2(made, made ? "" : made.error().text().c_str());
        QCOMPARE(readAudio(folder.at("mix.wav"))->samples, held->mix);
        QCOMPARE(readAudio(folder.at("a.wav"))->samples, held->probes.at(options.probes[0]));
        QCOMPARE(readAudio(folder.at("b.wav"))->samples, held->probes.at(options.probes[1]));
        QCOMPARE(made->left.max.value, measureLevel(held->left).max.value);
        QVERIFY(std::abs(made->right.rms.value - measureLevel(held->right).rms.value) < 1e-9);
        QVERIFY(std::abs(made->probes[0].mean.value - measureLevel(held->probes.at(options.probes[0])).mean.value) <
                1e-9);
    }

    /// Cancelled in the middle of a stem, nothing is there; what was there before still is.
    void cancelledItLeavesEverythingAsItWas() {
        const Folder folder;
        const Patch patch = demo("night-watch.json");
        QVERIFY(writeWav(folder.at("mix.wav"), std::vector<float>(4, 0.5f), 2, 48000.0));
        RenderOptions options;
        options.seconds = 1.0;
        options.progress = [](double done) { return done < 0.5; };
        FilesWanted wanted{folder.at("mix.wav"), folder.at("stems"), {}, {}};
        QVERIFY(!renderToFiles(patch, workspace().library, options, wanted));
        QCOMPARE(folder.files(), QStringList{QStringLiteral("mix.wav")});
        QCOMPARE(readAudio(folder.at("mix.wav"))->samples.size(), std::size_t{4});
        const QDir stems(QString::fromStdString(wanted.stems.string()));
        QVERIFY(stems.entryList(QDir::Files | QDir::Hidden).isEmpty());

        double last = 0.0;
        options.progress = [&](double done) {
            const bool on = done >= last;
            last = done;
            return on;
        };
        const auto made = renderToFiles(patch, workspace().library, options, wanted);
        QVERIFY2(made, made ? "" : made.error().text().c_str());
        QVERIFY(last > 0.9);
        QCOMPARE(made->stems.size(), stemsOf(patch, workspace().library).size());
        for (const auto& stem : made->stems) QCOMPARE(readAudio(stem)->samples.size(), std::size_t{2 * 48000});
    }
};

QTEST_GUILESS_MAIN(SoundFileTest)
#include "sound_file_test.moc"
