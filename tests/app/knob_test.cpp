// A knob under the hand: mouse, wheel, keys and typed values.
#include "shell/theme.h"
#include "support/eventually.h"
#include "widgets/knob.h"

#include <QtTest>

#include <QWheelEvent>

using namespace lariat;

class KnobTest : public QObject {
    Q_OBJECT

    static Knob* cutoff(QWidget* parent = nullptr) {
        auto* knob = new Knob(QStringLiteral("Cutoff"), {Unit::Hertz, 16, 16000, Taper::Log, {}}, 1000, parent);
        knob->resize(knob->sizeHint());
        knob->show();
        return knob;
    }

  private Q_SLOTS:
    void initTestCase() { applyTheme(Theme::Light); }

    void draggingUpTurnsUp() {
        const std::unique_ptr<Knob> knob(cutoff());
        QSignalSpy turned(knob.get(), &Knob::turned);
        QSignalSpy released(knob.get(), &Knob::released);
        QTest::mousePress(knob.get(), Qt::LeftButton, {}, {40, 60});
        QTest::mouseMove(knob.get(), {40, 40});
        QVERIFY(knob->turning());
        QTest::mouseRelease(knob.get(), Qt::LeftButton, {}, {40, 40});
        QVERIFY(!turned.isEmpty());
        QCOMPARE(released.count(), 1);
        // 20 pixels are a tenth of the travel: three decades in ten hours.
        QVERIFY(std::abs(knob->value() / (1000.0 * std::pow(10.0, 0.3)) - 1.0) < 0.001);
    }

    void itStopsAtItsEnds() {
        const std::unique_ptr<Knob> knob(cutoff());
        QTest::mousePress(knob.get(), Qt::LeftButton, {}, {40, 60});
        QTest::mouseMove(knob.get(), {40, -900});
        QCOMPARE(knob->value(), 16000.0);
        QTest::mouseMove(knob.get(), {40, 1900});
        QCOMPARE(knob->value(), 16.0);
        QTest::mouseRelease(knob.get(), Qt::LeftButton, {}, {40, 1900});
    }

    void keysMoveTenMinutesOrOne() {
        const std::unique_ptr<Knob> knob(cutoff());
        const Scale scale{Unit::Hertz, 16, 16000, Taper::Log, {}};
        const double before = scale.toFraction(knob->value());
        QTest::keyClick(knob.get(), Qt::Key_Up);
        QVERIFY(std::abs(scale.toFraction(knob->value()) - before - 1.0 / 60.0) < 1e-9);
        QTest::keyClick(knob.get(), Qt::Key_Down, Qt::ShiftModifier);
        QVERIFY(std::abs(scale.toFraction(knob->value()) - before - 0.9 / 60.0) < 1e-9);
    }

    /// Who scrolls past a knob does not turn it; with the keyboard on it the wheel turns.
    void theWheelTurnsWhatHasTheKeyboard() {
        const std::unique_ptr<Knob> knob(cutoff());
        QWheelEvent past({40, 40}, knob->mapToGlobal(QPointF(40, 40)), {}, {0, 120}, Qt::NoButton, Qt::NoModifier,
                         Qt::NoScrollPhase, false);
        QCoreApplication::sendEvent(knob.get(), &past);
        QCOMPARE(knob->value(), 1000.0);
        QVERIFY(!past.isAccepted());
        knob->show();
        knob->activateWindow();
        knob->setFocus();
        EVENTUALLY(knob->hasFocus());
        QWheelEvent up({40, 40}, knob->mapToGlobal(QPointF(40, 40)), {}, {0, 120}, Qt::NoButton, Qt::NoModifier,
                       Qt::NoScrollPhase, false);
        QCoreApplication::sendEvent(knob.get(), &up);
        QVERIFY(knob->value() > 1000.0);
    }

    void valuesAndPositionsAreTyped_data() {
        QTest::addColumn<QString>("text");
        QTest::addColumn<double>("value");
        QTest::newRow("value") << "412 Hz" << 412.0;
        QTest::newRow("note") << "A4" << 440.0;
        QTest::newRow("position") << "12:00" << 16.0 * std::sqrt(1000.0);
        QTest::newRow("kilo") << "2.5k" << 2500.0;
    }
    void valuesAndPositionsAreTyped() {
        QFETCH(QString, text);
        QFETCH(double, value);
        const std::unique_ptr<Knob> knob(cutoff());
        QTest::mouseDClick(knob.get(), Qt::LeftButton, {}, {40, 26});
        auto* field = knob->findChild<QLineEdit*>();
        QVERIFY(field && field->isVisible());
        field->setText(text);
        QTest::keyClick(field, Qt::Key_Return);
        QVERIFY(std::abs(knob->value() - value) < 1e-6 * value);
    }

    void nonsenseIsRefusedAndNothingChanges_data() {
        QTest::addColumn<QString>("text");
        for (const char* text : {"loud", "99 kHz", "6:00", "", "1 Hz"}) QTest::newRow(text) << text;
    }
    void nonsenseIsRefusedAndNothingChanges() {
        QFETCH(QString, text);
        const std::unique_ptr<Knob> knob(cutoff());
        QSignalSpy turned(knob.get(), &Knob::turned);
        QSignalSpy refused(knob.get(), &Knob::refused);
        knob->typeValue();
        auto* field = knob->findChild<QLineEdit*>();
        field->setText(text);
        QTest::keyClick(field, Qt::Key_Return);
        QCOMPARE(refused.count(), 1);
        QVERIFY(refused.first().first().toString().contains(QLatin1String("Hz")));
        QCOMPARE(turned.count(), 0);
        QCOMPARE(knob->value(), 1000.0);
    }

    void screenReadersHearValueAndPosition() {
        const std::unique_ptr<Knob> knob(cutoff());
        QCOMPARE(knob->accessibleName(), QStringLiteral("Cutoff"));
        QVERIFY(knob->accessibleDescription().contains(QLatin1String("1000 Hz")) ||
                knob->accessibleDescription().contains(QLatin1String("1 kHz")));
        QVERIFY(knob->accessibleDescription().contains(QLatin1Char(':')));
    }
};

QTEST_MAIN(KnobTest)
#include "knob_test.moc"
