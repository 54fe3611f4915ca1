// Units: exact both ways, and what people write is understood.
#include "units/level.h"
#include "units/pitch.h"
#include "units/scale.h"

#include <QtTest>

using namespace lariat;

class UnitsTest : public QObject {
    Q_OBJECT

  private Q_SLOTS:
    void zeroVoltsIsMiddleC() { QVERIFY(std::abs(toHertz({0.0}).value - 261.6255653) < 1e-6); }

    void oneVoltIsOneOctave_data() {
        QTest::addColumn<double>("volts");
        for (int i = -5; i <= 8; ++i) QTest::addRow("%d V", i) << static_cast<double>(i);
    }
    void oneVoltIsOneOctave() {
        QFETCH(double, volts);
        QVERIFY(std::abs(toHertz({volts}).value / (261.6255653005986 * std::pow(2.0, volts)) - 1.0) < 1e-12);
        QVERIFY(std::abs(toVolts(toHertz({volts})).value - volts) < 1e-12);
    }

    void otherReferences() {
        const PitchReference baroque{{415.0}, 69};
        QVERIFY(std::abs(toHertz({0.0}, baroque).value - 415.0) < 1e-9);
        QVERIFY(std::abs(noteToVolts(81, baroque).value - 1.0) < 1e-12);
    }

    void ratiosAreIntervals() {
        QVERIFY(std::abs(ratioToCents(1.5).value - 701.955) < 0.001);
        QVERIFY(std::abs(ratioToCents(2.0).value - 1200.0) < 1e-9);
        QVERIFY(std::abs(ratioToCents(0.25).value + 2400.0) < 1e-9);
    }

    void notesAreNamed_data() {
        QTest::addColumn<int>("note");
        QTest::addColumn<QString>("name");
        QTest::newRow("middle") << 60 << "C4";
        QTest::newRow("flat") << 58 << "B♭3";
        QTest::newRow("sharp") << 66 << "F♯4";
        QTest::newRow("low") << 0 << "C-1";
        QTest::newRow("below zero") << -1 << "B-2";
    }
    void notesAreNamed() {
        QFETCH(int, note);
        QFETCH(QString, name);
        QCOMPARE(QString::fromStdString(noteName(note)), name);
        if (note >= 0) QCOMPARE(parseNote(name.toStdString()).value_or(-100), note);
    }

    void everyNoteIsReadBack() {
        for (int note = 0; note < 128; ++note) QCOMPARE(parseNote(noteName(note)).value_or(-1), note);
    }

    void notesInOtherSpellings() {
        QCOMPARE(parseNote("d3").value_or(0), 50);
        QCOMPARE(parseNote("Bb3").value_or(0), 58);
        QCOMPARE(parseNote("A#3").value_or(0), 58);
        for (const char* bad : {"", "H3", "D", "D3x", "3D", "D99", "b", "D-9"}) QVERIFY2(!parseNote(bad), bad);
    }

    void centsStandBesideTheNote() {
        QCOMPARE(QString::fromStdString(pitchText({440.0})), QStringLiteral("A4"));
        QCOMPARE(QString::fromStdString(pitchText({440.0 * std::pow(2.0, 7.0 / 1200.0)})), QStringLiteral("A4 +7"));
        QCOMPARE(QString::fromStdString(pitchText({440.0 * std::pow(2.0, -12.0 / 1200.0)})), QStringLiteral("A4 -12"));
        QCOMPARE(nearestNote({440.0 * std::pow(2.0, 0.49 / 12.0)}).note, 69);
    }

    void levels() {
        QVERIFY(std::abs(toDbu({1.2277}).value - 4.0) < 0.001);
        QVERIFY(std::abs(toDbfs({10.0}).value) < 1e-12);
        QVERIFY(std::abs(toDbfs({5.0}).value + 6.0206) < 1e-4);
        QVERIFY(std::abs(toRatio(toDecibels(0.3)) - 0.3) < 1e-12);
        QCOMPARE(toDecibels(0.0).value, kSilenceDecibels);
    }

    void scalesGoBothWays_data() {
        QTest::addColumn<int>("taper");
        QTest::addColumn<double>("min");
        QTest::addColumn<double>("max");
        QTest::newRow("linear") << static_cast<int>(Taper::Linear) << -100.0 << 100.0;
        QTest::newRow("log") << static_cast<int>(Taper::Log) << 16.0 << 16000.0;
        QTest::newRow("squared") << static_cast<int>(Taper::Squared) << 0.0 << 400.0;
    }
    void scalesGoBothWays() {
        QFETCH(int, taper);
        QFETCH(double, min);
        QFETCH(double, max);
        const Scale scale{Unit::None, min, max, static_cast<Taper>(taper), {}};
        for (int i = 0; i <= 600; ++i) {
            const double fraction = i / 600.0;
            QVERIFY(std::abs(scale.toFraction(scale.toValue(fraction)) - fraction) < 1e-12);
            // … and through the clock hand, to the minute.
            QVERIFY(std::abs(parseClockHand(clockHand(fraction)).value_or(-1) - fraction) < 1e-9);
        }
        QVERIFY(std::abs(scale.toValue(0.0) - min) < 1e-9 * max);
        QVERIFY(std::abs(scale.toValue(1.0) - max) < 1e-9 * max);
        QCOMPARE(scale.toFraction(max * 10), 1.0);
        QCOMPARE(scale.toFraction(min - 10), 0.0);
    }

    void switchesHaveWords() {
        const Scale scale{Unit::None, 0, 2, Taper::Switch, {"ADSR", "AR", "AD"}};
        QCOMPARE(scale.toFraction(1), 0.5);
        QCOMPARE(scale.toValue(0.8), 2.0);
        QCOMPARE(QString::fromStdString(scale.text(2)), QStringLiteral("AD"));
        QCOMPARE(scale.parse("ar").value_or(-1), 1.0);
        QVERIFY(!scale.parse("adr"));
    }

    void clockHands() {
        QCOMPARE(QString::fromStdString(clockHand(0.0)), QStringLiteral("7:00"));
        QCOMPARE(QString::fromStdString(clockHand(0.5)), QStringLiteral("12:00"));
        QCOMPARE(QString::fromStdString(clockHand(1.0)), QStringLiteral("5:00"));
        QVERIFY(std::abs(parseClockHand("10:20").value_or(0) - 1.0 / 3.0) < 1e-12);
        for (const char* bad : {"6:00", "5:01", "13:00", "9:60", "9", "nine", ":", "9:", "-9:00"})
            QVERIFY2(!parseClockHand(bad), bad);
    }

    void valuesAreReadAsWritten_data() {
        QTest::addColumn<int>("unit");
        QTest::addColumn<QString>("text");
        QTest::addColumn<double>("value");
        const auto row = [](const char* text, Unit unit, double value) {
            QTest::newRow(text) << static_cast<int>(unit) << QString::fromUtf8(text) << value;
        };
        row("412 Hz", Unit::Hertz, 412);
        row("1.2k", Unit::Hertz, 1200);
        row("A4", Unit::Hertz, 440);
        row("62 ms", Unit::Seconds, 0.062);
        row("1.5 s", Unit::Seconds, 1.5);
        row("35 %", Unit::Percent, 35);
        row("-12 dB", Unit::Decibels, -12);
        row("−12 dB", Unit::Decibels, -12);
        row("+7", Unit::Semitones, 7);
        row("50 cents", Unit::Semitones, 0.5);
        row("112 bpm", Unit::Bpm, 112);
        row("350 mV", Unit::Volts, 0.35);
        row("12 st", Unit::Octaves, 1);
    }
    void valuesAreReadAsWritten() {
        QFETCH(int, unit);
        QFETCH(QString, text);
        QFETCH(double, value);
        const Scale scale{static_cast<Unit>(unit), -1e4, 2e4, Taper::Linear, {}};
        const auto read = scale.parse(text.toStdString());
        QVERIFY(read);
        QVERIFY(std::abs(*read - value) < 1e-9 * std::max(1.0, std::abs(value)));
    }

    void nonsenseIsRefused() {
        const Scale scale = Scale{Unit::Hertz, 16, 16000, Taper::Log, {}};
        for (const char* bad : {"", "loud", "12 st", "nan", "inf", "1e999", "--3", "12 Hz Hz"})
            QVERIFY2(!scale.parse(bad), bad);
        QVERIFY(scale.expectation().find("Hz") != std::string::npos);
    }

    void whatIsShownIsUnderstood() {
        const std::vector<Scale> scales = {
            {Unit::Hertz, 16, 16000, Taper::Log, {}},      {Unit::Seconds, 0.0003, 20, Taper::Log, {}},
            {Unit::Percent, -100, 100, Taper::Linear, {}}, {Unit::Decibels, -60, 0, Taper::Linear, {}},
            {Unit::Bpm, 20, 300, Taper::Linear, {}},       {Unit::Semitones, -7, 7, Taper::Linear, {}}};
        for (const Scale& scale : scales)
            for (int i = 0; i <= 40; ++i) {
                const double value = scale.toValue(i / 40.0);
                const auto read = scale.parse(scale.text(value));
                QVERIFY2(read, scale.text(value).c_str());
                QVERIFY(std::abs(*read - value) <= 0.0051 * std::max(1.0, std::abs(value)));
            }
    }

    /// Every unit that means the same is read, and note values at a tempo.
    void valuesInAnySensibleUnit() {
        const auto reads = [](const Scale& scale, const char* text, double wanted, double tempo = 0.0) {
            const auto read = scale.parse(text, tempo);
            QVERIFY2(read, text);
            QVERIFY2(std::abs(*read - wanted) < 1e-4 * std::max(1.0, std::abs(wanted)), text);
        };
        const Scale hertz{Unit::Hertz, 0.01, 20000, Taper::Log, {}};
        const Scale seconds{Unit::Seconds, 0.0003, 20, Taper::Log, {}};
        const Scale percent{Unit::Percent, 0, 100, Taper::Linear, {}};
        reads(hertz, "D3", 146.832);
        reads(hertz, "4 ms", 250.0);
        reads(hertz, "1 V", 523.251);
        reads(hertz, "120 bpm", 2.0);
        reads(hertz, "1/8", 4.0, 120.0);
        reads(seconds, "1/8", 0.25, 120.0);
        reads(seconds, "1/8.", 0.375, 120.0);
        reads(seconds, "1/8t", 1.0 / 6.0, 120.0);
        reads(seconds, "5 Hz", 0.2);
        reads(percent, "-12 dB", 25.1189);
        reads({Unit::Decibels, -60, 0, Taper::Linear, {}}, "50 %", -6.0206);
        reads({Unit::Semitones, -7, 7, Taper::Linear, {}}, "0.35 V", 4.2);
        reads({Unit::Bpm, 20, 300, Taper::Linear, {}}, "0.5 s", 120.0);
        for (const char* bad : {"1/8", "1/0", "/8", "1/", "x dB", "0 ms"}) QVERIFY2(!hertz.parse(bad), bad);
        QVERIFY(!percent.parse("1/8", 120.0));
    }
};

QTEST_APPLESS_MAIN(UnitsTest)
#include "units_test.moc"
