// Scenes as they are used: kept, ordered, chained, written in words, played; moves drawn and recorded; rehearsal.
#include "app/in_time.h"

using namespace lariat;
using namespace lariat::test;

class ScenesWindowTest : public QObject {
    Q_OBJECT

    QTemporaryDir settings_;

  private Q_SLOTS:
    void initTestCase() { prepareApplication(settings_); }

    void scenesAreKeptOrderedAndTakenOut() {
        InTime o;
        QVERIFY(!o.time().scenes().isVisible());
        answerInput({QStringLiteral("Quiet, 2 bars")});
        o.action("keep-scene")->trigger();
        QCOMPARE(o.patch().scenes.size(), 1u);
        QCOMPARE(o.patch().scenes[0].name, std::string("Quiet"));
        QCOMPARE(o.patch().scenes[0].bars, 2);
        QVERIFY(o.time().scenes().isVisible());
        QCOMPARE(o.patch().scenes[0].setting.at("clock").at("tempo"), 112.0);
        // A second one holds only what is different, and the first says how that stood.
        o.window.document().apply({SetKnob{"vca-2", "offset", 12.0}}, QStringLiteral("open"));
        o.time().keepScene(QStringLiteral("Open"), 4);
        QCOMPARE(o.patch().scenes[1].setting.size(), 1u);
        QCOMPARE(o.patch().scenes[1].setting.at("vca-2").at("offset"), 12.0);
        QVERIFY(o.patch().scenes[0].setting.at("vca-2").contains("offset"));
        // Dragged, the second comes first.
        SceneStrip& strip = o.time().scenes();
        const QPoint from = strip.sceneBox(1).center().toPoint();
        const QPoint to = strip.sceneBox(0).topLeft().toPoint() + QPoint(4, 6);
        QTest::mousePress(&strip, Qt::LeftButton, {}, from);
        QTest::mouseMove(&strip, (from + to) / 2);
        QTest::mouseMove(&strip, to);
        QTest::mouseRelease(&strip, Qt::LeftButton, {}, to);
        QCOMPARE(o.patch().scenes[0].name, std::string("Open"));
        strip.setFocus();
        QTest::keyClick(&strip, Qt::Key_Right, Qt::ShiftModifier);
        QCOMPARE(o.patch().scenes[0].name, std::string("Quiet"));
        QTest::keyClick(&strip, Qt::Key_Delete);
        QCOMPARE(o.patch().scenes.size(), 1u);
        o.window.document().history().undo();
        QCOMPARE(o.patch().scenes.size(), 2u);
    }

    void variationsAreChainedAsScenes() {
        InTime o;
        o.time().editor().choose(kLead, {});
        answerInput({QStringLiteral("A B2 A")});
        o.action("chain-variations")->trigger();
        QCOMPARE(o.patch().scenes.size(), std::size_t{3});
        QCOMPARE(o.patch().scenes[1].bars, 2);
        QVERIFY(o.time().scenes().isVisible());
        answerInput({QStringLiteral("A Q")});
        o.action("chain-variations")->trigger();
        QCOMPARE(o.patch().scenes.size(), std::size_t{3});
        QVERIFY(o.window.messages().text().contains(QLatin1String("\"Q\"")));
        o.window.document().history().undo();
        QVERIFY(o.patch().scenes.empty());
    }

    /// A move is drawn over a free place of a hand's row, then along its time, to another hand, longer, and taken out.
    void movesAreDrawn() {
        InTime o;
        o.time().keepScene(QStringLiteral("First"), 2);
        o.time().keepScene(QStringLiteral("Second"), 4);
        SceneStrip& strip = o.time().scenes();
        const auto draw = [&](QPointF from, QPointF to) {
            QTest::mousePress(&strip, Qt::LeftButton, {}, from.toPoint());
            QTest::mouseMove(&strip, ((from + to) / 2).toPoint());
            QTest::mouseMove(&strip, to.toPoint());
            QTest::mouseRelease(&strip, Qt::LeftButton, {}, to.toPoint());
        };
        const auto moves = [&]() -> const std::vector<Move>& { return o.patch().scenes[1].moves; };
        answerFinder({QStringLiteral("Filter Cutoff")});
        answerInput({QStringLiteral("2 kHz")});
        draw(strip.spot(1, 4, Hand::Left), strip.spot(1, 8, Hand::Left));
        QCOMPARE(moves().size(), std::size_t{1});
        QCOMPARE(moves()[0].start, 4.0);
        QCOMPARE(moves()[0].beats, 4.0);
        QCOMPARE(moves()[0].to, 2000.0);
        QCOMPARE(moves()[0].from, knobValue(*o.patch().post("filter"),
                                            *workspace().library.part(*o.patch().post("filter"))->knob("cutoff")));
        const QRectF box = strip.moveBox(1, 0);
        draw(box.center(),
             box.center() + QPointF(strip.spot(1, 2, Hand::Left).x() - strip.spot(1, 0, Hand::Left).x(), 20));
        QCOMPARE(moves()[0].start, 6.0);
        QCOMPARE(moves()[0].hand, Hand::Right);
        const QRectF moved = strip.moveBox(1, 0);
        draw({moved.right() - 2, moved.center().y()}, strip.spot(1, 14, Hand::Right));
        QCOMPARE(moves()[0].start, 6.0);
        QCOMPARE(moves()[0].beats, 8.0);
        // Beyond the scene it ends with it; a press alone changes nothing.
        const QRectF longer = strip.moveBox(1, 0);
        draw(longer.center(), {strip.width() + 50.0, longer.center().y()});
        QCOMPARE(moves()[0].start + moves()[0].beats, 16.0);
        const int steps = o.undoSteps();
        QTest::mouseClick(&strip, Qt::LeftButton, {}, strip.moveBox(1, 0).center().toPoint());
        QCOMPARE(o.undoSteps(), steps);
        QCOMPARE(strip.chosenMove(), 0);
        strip.setFocus();
        QTest::keyClick(&strip, Qt::Key_Delete);
        QVERIFY(moves().empty());
        QCOMPARE(o.patch().scenes.size(), std::size_t{2}); // the move alone
        // What cannot be a value is refused with what can; another patch in the middle of the question takes no move.
        answerFinder({QStringLiteral("Filter Cutoff")});
        answerInput({QStringLiteral("blue")});
        draw(strip.spot(1, 4, Hand::Foot), strip.spot(1, 6, Hand::Foot));
        QVERIFY(moves().empty());
        QVERIFY(o.window.messages().text().contains(QLatin1String("blue")));
        QTimer::singleShot(0, [&] { o.window.openCopy(QStringLiteral(LARIAT_SOURCE "/data/demo/night-watch.json")); });
        answerFinder({QStringLiteral("Filter Cutoff")});
        draw(strip.spot(1, 4, Hand::Left), strip.spot(1, 8, Hand::Left));
        QVERIFY(o.patch().scenes == demo("night-watch.json").scenes);
    }

    void scenesAreWrittenInWordsAndPlayed() {
        InTime o;
        o.action("write-scenes")->trigger();
        auto* dialog = o.window.findChild<ScenesDialog*>();
        QVERIFY(dialog);
        auto* write = dialog->findChild<QPushButton*>(QStringLiteral("scenes-write"));
        dialog->text().setPlainText(QStringLiteral("Low: 1 bar\n  clock tempo 240 BPM\n  nobody level 3"));
        QVERIFY(!write->isEnabled());
        QVERIFY(dialog->findChild<QLabel*>(QStringLiteral("scenes-said"))->text().contains(QStringLiteral("line 3")));
        // A check that ends meanwhile leaves what was written.
        o.window.document().touch();
        o.settle();
        QVERIFY(dialog->text().toPlainText().contains(QStringLiteral("nobody")));
        dialog->text().setPlainText(
            QStringLiteral("Low: 1 bar\n  clock tempo 240 BPM\nHigh: 1 bar\n  clock tempo 60 BPM\n"));
        QTest::mouseClick(write, Qt::LeftButton);
        QCOMPARE(o.patch().scenes.size(), 2u);
        // Played, the clock runs as the scenes say, whatever its knob says; the patch stays as it is.
        const double tempo = o.patch().post("clock")->knobs.at("tempo");
        const auto beat =
            o.window.sound().engine().watch(jackRef("clock.beat"), {1u << 18, 64}, o.window.document().library());
        QVERIFY(beat);
        o.action("play-scenes")->trigger();
        o.window.sound().rewind();
        // In samples of the engine, however fast this machine is: four beats of 0.25 s, then beats of a second.
        const auto distances = [&] {
            std::vector<double> at;
            for (const Snapshot::At& edge : beat->snapshot(1u << 18).edges)
                if (edge.rising) at.push_back(edge.sample);
            std::vector<double> out;
            for (std::size_t i = 1; i < at.size(); ++i)
                out.push_back((at[i] - at[i - 1]) / o.window.sound().engine().rate());
            return out;
        };
        const auto has = [&](double seconds) {
            return std::ranges::any_of(distances(), [&](double d) { return std::abs(d - seconds) < 0.01; });
        };
        EVENTUALLY(has(0.25));
        EVENTUALLY(has(1.0));
        QCOMPARE(o.patch().post("clock")->knobs.at("tempo"), tempo);
        // Another patch has no scenes that play.
        o.window.openCopy(QStringLiteral(LARIAT_SOURCE "/data/demo/kick.json"));
        QVERIFY(!o.window.sound().playsScenes());
        QVERIFY(!o.action("play-scenes")->isChecked());
    }

    void movesAreRecordedAndThinned() {
        InTime o;
        o.action("record-moves")->trigger();
        QVERIFY(o.window.messages().text().contains(QStringLiteral("Keep a scene first")));
        QVERIFY(!o.action("record-moves")->isChecked());
        o.time().keepScene(QStringLiteral("Long"), 64);
        o.window.sound().rewind();
        o.action("record-moves")->trigger();
        QVERIFY(o.time().moves().on() && o.window.sound().playsScenes());
        const KnobInfo& knob = *o.window.document().library().part(*o.patch().post("filter"))->knob("cutoff");
        const double start = knob.scale.toFraction(knobValue(*o.patch().post("filter"), knob));
        for (int n = 1; n <= 20; ++n) {
            QTest::qWait(20);
            o.window.document().turnKnob("filter", "cutoff", knob.scale.toValue(start + 0.01 * n));
        }
        o.action("record-moves")->trigger();
        QVERIFY(!o.time().moves().on());
        const auto& moves = o.patch().scenes[0].moves;
        QVERIFY2(!moves.empty() && moves.size() <= 6,
                 qPrintable(QString::number(moves.size()))); // an even turn is nearly one line
        QCOMPARE(moves.front().knob, std::string("cutoff"));
        QVERIFY(std::abs(knob.scale.toFraction(moves.front().from) - start) < 1e-6);
        QVERIFY(std::abs(knob.scale.toFraction(moves.back().to) - (start + 0.2)) < 1e-6);
        QVERIFY(moves.back().start > moves.front().start - 1e-9);
    }

    void whatIsTurnedEvenlyIsOneLine() {
        std::vector<TurnedPoint> even;
        for (int n = 0; n <= 50; ++n) even.push_back({0.1 * n, 0.01 * n + (n % 2 == 0 ? 0.004 : -0.004)});
        QCOMPARE(thinned(even, 0.015).size(), 2u);
        std::vector<TurnedPoint> corner;
        for (int n = 0; n <= 20; ++n) corner.push_back({0.1 * n, n < 10 ? 0.02 * n : 0.2});
        const auto kept = thinned(corner, 0.005);
        QCOMPARE(kept.size(), 3u);
        QVERIFY(std::abs(kept[1].beat - 1.0) < 1e-9);
        QCOMPARE(thinned({{1.0, 0.5}}, 0.1).size(), 1u);
        QVERIFY(thinned({}, 0.1).empty());
    }

    void rehearsalShowsTheNextMove() {
        InTime o;
        o.action("rehearse")->trigger();
        QVERIFY(o.window.messages().text().contains(QStringLiteral("no scenes to rehearse")));
        Scene scene{.name = "Swell", .bars = 8};
        scene.moves = {
            {.post = "filter", .knob = "cutoff", .from = 400, .to = 800, .start = 16, .beats = 4, .hand = Hand::Left}};
        o.window.document().apply({SetScenes{{scene}}}, QStringLiteral("a scene"));
        o.window.sound().setRunning(false);
        o.window.sound().rewind();
        o.action("rehearse")->trigger();
        auto* view = o.window.findChild<Rehearsal*>();
        QVERIFY(view);
        EVENTUALLY(view->sceneText().startsWith(QStringLiteral("Swell · bar 1 of 8")));
        QVERIFY2(view->moveLine().startsWith(QStringLiteral("left: filter cutoff")) ||
                     view->moveLine().startsWith(QStringLiteral("left: Filter cutoff")),
                 qPrintable(view->moveLine()));
        EVENTUALLY(view->countText().contains(QStringLiteral("16")));
        QVERIFY(!view->grab().toImage().isNull());
        QTest::keyClick(view, Qt::Key_Space);
        QVERIFY(o.window.sound().engine().running());
        QPointer<Rehearsal> gone = view;
        QTest::keyClick(view, Qt::Key_Escape);
        EVENTUALLY(gone.isNull());
    }
};

QTEST_MAIN(ScenesWindowTest)
#include "scenes_window_test.moc"
