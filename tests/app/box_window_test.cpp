// Boxes and caught chaos through the real window: a voice becomes one module, sounds on, is opened behind its panel,
// changed there as a chart, and taken back; a state is caught while it plays, kept, gone back to.
#include "app/opened.h"
#include "building/states.h"
#include "engine/render.h"
#include "maker/keep_module.h"
#include "stock/maker_page.h"
#include "stock/stock_place.h"

#include <QAbstractItemView>
#include <QUndoStack>

using namespace lariat;
using namespace lariat::test;

namespace {

const std::string kBox = "lead-box";

struct OwnFolder {
    QTemporaryDir own;
};

/// The window with a folder of the user's own.
struct Boxing : OwnFolder, Opened {
    explicit Boxing(const QString& file = kLamp) : Opened(own.path()) {
        if (file != kLamp) window.openCopy(file);
        settle();
    }
    Document& document() { return window.document(); }
    MakerPage& maker() { return dynamic_cast<StockPlace*>(window.place(QStringLiteral("stock")))->maker(); }
    PatchPlace& stand() { return *dynamic_cast<PatchPlace*>(maker().chart()); }
    template <class T> T* seen(const char* name) {
        for (T* one : window.findChildren<T*>(QString::fromLatin1(name)))
            if (one->isVisible()) return one;
        return nullptr;
    }
    void box() {
        window.selection().choosePost("filter");
        answerInput({QStringLiteral("Lead box")});
        action(QStringLiteral("box-voice"))->trigger();
        QCoreApplication::processEvents();
    }
    [[nodiscard]] std::string boxPost() {
        for (const Post& post : patch().posts)
            if (post.module == kBox) return post.id;
        return {};
    }
    float loudness() {
        Sound& sound = window.sound();
        const auto from = sound.engine().meters.frames.load();
        sound.engine().meters.peakLeft = 0.0f;
        float loudest = 0.0f;
        while (sound.engine().meters.frames.load() < from + 24000) {
            QTest::qWait(5);
            loudest = std::max(loudest, sound.engine().meters.peakLeft.load());
        }
        return loudest;
    }
};

} // namespace

class BoxWindowTest : public QObject {
    Q_OBJECT

    QTemporaryDir settings_;

  private Q_SLOTS:
    void initTestCase() { prepareApplication(settings_); }

    void aVoiceBecomesOneModuleWhileItPlays() {
        Boxing o;
        o.window.sound().setRunning(true);
        const float before = o.loudness();
        QVERIFY(before > 0.1f);
        const Patch was = o.patch();
        const Case housing = *o.document().housing();
        const int steps = o.document().history().index();
        o.box();
        const std::string post = o.boxPost();
        QVERIFY(!post.empty());
        QCOMPARE(o.document().history().index(), steps + 1); // case and patch together
        QCOMPARE(o.window.selection().post(), post);
        QVERIFY(!o.patch().post("filter") && o.patch().post("tracks"));
        QCOMPARE(o.document().housing()->slots.size(), housing.slots.size() + 1);
        QVERIFY(std::filesystem::exists(moduleFile(o.own.path().toStdString(), kBox)));
        const float after = o.loudness();
        QVERIFY2(after > 0.5f * before && after < 2.0f * before, qPrintable(QString::number(after / before)));
        // One step back, and it was never there; one forward, and it is.
        o.document().history().undo();
        QCOMPARE(o.patch(), was);
        QCOMPARE(*o.document().housing(), housing);
        o.document().history().redo();
        QCOMPARE(o.boxPost(), post);
        QVERIFY(o.loudness() > 0.1f);
        // It is saved and opened again with its case.
        const QString file = o.folder.filePath(QStringLiteral("boxed.json"));
        QVERIFY(o.document().saveAs(file));
        const Workspace again = loadWorkspace(dataFolder(), o.own.path().toStdString());
        QVERIFY(again.library.module(kBox));
        QVERIFY(openPatch(file.toStdString(), again.library));
        QVERIFY(again.cases.at(o.patch().caseId) == *o.document().housing());
    }

    void aNameThatIsTakenIsRefused() {
        Boxing o;
        o.box();
        const Patch boxed = o.patch();
        o.window.selection().choosePost("osc-c");
        answerInput({QStringLiteral("Lead box")});
        o.action(QStringLiteral("box-voice"))->trigger();
        QCOMPARE(o.patch(), boxed);
        QVERIFY(o.window.messages().text().contains(QStringLiteral("already")));
        answerInput({QStringLiteral("!?")});
        o.action(QStringLiteral("box-voice"))->trigger();
        QCOMPARE(o.patch(), boxed);
        // Nothing of what was refused stays behind: not a module, not a slot, not a step.
        const Workspace kept = loadWorkspace(dataFolder(), o.own.path().toStdString());
        QCOMPARE(kept.library.modules().size(), workspace().library.modules().size() + 1);
        QCOMPARE(*kept.housing(o.patch()), *o.document().housing());
    }

    /// Opened as a chart: a block is added, tied, another taken out, a knob turned; all of it stands in the lines, and
    /// the box that is kept is the one that plays.
    void aBoxIsOpenedAndChangedAsAChart() {
        Boxing o;
        o.box();
        o.action(QStringLiteral("look-behind"))->trigger();
        EVENTUALLY(o.maker().active() && o.maker().stand());
        const Session& stand = *o.maker().stand();
        EVENTUALLY(stand.document.patch().post("in-box-filter"));
        EVENTUALLY(o.maker().isVisible() && o.stand().chart().isVisible());
        const std::size_t blocks = stand.document.library().module(kBox)->description.parts.front().blocks.size();
        const auto lines = [&] { return o.maker().lines().toPlainText(); };

        // A block, found by its name; it stands beside the chosen one.
        o.maker().stand()->selection.choosePost("in-box-filter");
        answerFinder({QStringLiteral("wavefolder")});
        QTest::mouseClick(o.seen<QAbstractButton>("maker-add"), Qt::LeftButton);
        EVENTUALLY(stand.document.patch().post("in-box-wavefolder"));
        QVERIFY(lines().contains(QStringLiteral("wavefolder is a wavefolder")));

        // Tied between filter and level.
        const Cable* into = stand.document.patch().cableInto({"in-box-vca-1", "in"});
        QVERIFY(into);
        Cable first;
        first.from = into->from;
        first.to = {"in-box-wavefolder", "in"};
        Cable second;
        second.from = {"in-box-wavefolder", "out"};
        second.to = into->to;
        QVERIFY(
            stand.document.apply({RemoveCable{into->id}, TieCable{first}, TieCable{second}}, QStringLiteral("tie")));
        EVENTUALLY(lines().contains(QStringLiteral("wavefolder out to vca-1 in")));

        // Turned, and written once the hand rests.
        stand.document.turnKnob("in-box-wavefolder", "fold", 77.0);
        EVENTUALLY(lines().contains(QStringLiteral("fold 77 %")));

        // Taken out with its wires.
        o.maker().stand()->selection.choosePost("keys"); // what plays it stays
        QTest::mouseClick(o.seen<QAbstractButton>("maker-take-out"), Qt::LeftButton);
        QVERIFY(stand.document.patch().post("keys"));
        o.maker().stand()->selection.choosePost("in-box-lfo");
        QTest::mouseClick(o.seen<QAbstractButton>("maker-take-out"), Qt::LeftButton);
        EVENTUALLY(!lines().contains(QStringLiteral("lfo is an lfo")));
        EVENTUALLY(!stand.document.patch().post("in-box-lfo"));
        QCOMPARE(o.maker().faultText().contains(QStringLiteral("Line")), false);

        // Kept, it is what the patch plays.
        QAbstractButton* keep = o.seen<QAbstractButton>("maker-keep");
        EVENTUALLY(keep->isEnabled());
        QTest::mouseClick(keep, Qt::LeftButton);
        const PartDescription& now = o.document().library().module(kBox)->description.parts.front();
        QCOMPARE(now.blocks.size(), blocks); // one more, one less
        QVERIFY(std::ranges::find(now.blocks, "wavefolder", &BlockUse::id) != now.blocks.end());
        QVERIFY(std::ranges::find(now.blocks, "lfo", &BlockUse::id) == now.blocks.end());
        o.window.showPlace(QStringLiteral("patch"));
        o.window.sound().setRunning(true);
        QVERIFY(o.loudness() > 0.1f);
    }

    void aStateIsCaughtWhileItPlaysAndGoneBackTo() {
        Boxing o(QStringLiteral(LARIAT_SOURCE "/data/demo/deep-water.json"));
        o.window.selection().choosePost("register");
        o.window.sound().setRunning(true);
        const auto bits = [&] {
            const auto told = o.window.sound().engine().told("register");
            return told ? told->read()[0] : -1;
        };
        EVENTUALLY(bits() > 0);
        EVENTUALLY(o.seen<QPushButton>("catch-state"));
        answerInput({QStringLiteral("Shoal")});
        QTest::mouseClick(o.seen<QPushButton>("catch-state"), Qt::LeftButton);
        const auto caught = caughtStates(o.patch(), o.document().library(), "register");
        QCOMPARE(caught.size(), std::size_t{1});
        QCOMPARE(caught.front().name, std::string("Shoal"));
        auto* states = o.seen<QComboBox>("states");
        QCOMPARE(states->currentText(), QStringLiteral("Shoal"));
        // It is a take of its own kind as well, whose patch begins at the state.
        const auto takes = o.window.log().book()->list();
        QVERIFY(takes && takes->size() == 1);
        QVERIFY(takes->front().kind == TakeKind::Caught);
        QVERIFY(takes->front().label.name.ends_with("Shoal"));
        const Patch begins = o.window.log().book()->take(takes->front().id)->patch;
        QCOMPARE(begins.post("register")->knobs.at("state"), static_cast<double>(caught.front().bits));
        RenderOptions twice;
        twice.seconds = 1.0;
        QVERIFY(render(begins, o.document().library(), twice)->left ==
                render(begins, o.document().library(), twice)->left);
        // A second one of that name is refused: what was caught is not lost.
        answerInput({QStringLiteral("Shoal")});
        QTest::mouseClick(o.seen<QPushButton>("catch-state"), Qt::LeftButton);
        QCOMPARE(caughtStates(o.patch(), o.document().library(), "register").front().bits, caught.front().bits);
        QVERIFY(o.window.messages().text().contains(QStringLiteral("already")));
        // The list stays open while the patch is changed by other hands.
        states->showPopup();
        states->view()->setCurrentIndex(states->model()->index(0, 0)); // where the hand is now
        o.document().turnKnob("osc", "fine", 0.3);
        QCoreApplication::processEvents();
        QVERIFY(states->view()->isVisible());
        QCOMPARE(states->view()->currentIndex().row(), 0);
        states->hidePopup();
        // It wanders on; then back, locked: from there on only what comes round in eight.
        QTest::qWait(400);
        states->setCurrentIndex(0);
        QTest::keyClick(states, Qt::Key_Down);
        const Post& post = *o.patch().post("register");
        QCOMPARE(post.knobs.at("state"), static_cast<double>(caught.front().bits));
        QCOMPARE(post.knobs.at("mode"), 1.0);
        const auto isTurned = [&] {
            const unsigned now = static_cast<unsigned>(bits());
            for (unsigned by = 0; by < 8; ++by)
                if (((caught.front().bits << by | caught.front().bits >> (8 - by)) & 0xFFu) == now) return true;
            return false;
        };
        EVENTUALLY(isTurned());
        for (int n = 0; n < 40; ++n) {
            QTest::qWait(10);
            QVERIFY(isTurned());
        }
        // A locked knob refuses all of it: the register goes on as it was.
        QVERIFY(o.document().apply({SetKnob{"register", "state", 255.0}}, QStringLiteral("turn")));
        QVERIFY(o.document().apply({DescribeKnob{"register", "state", {}, true}}, QStringLiteral("lock")));
        states->setCurrentIndex(0);
        QTest::keyClick(states, Qt::Key_Down);
        QCOMPARE(o.patch().post("register")->knobs.at("state"), 255.0);
        QCOMPARE(states->currentIndex(), 0);
        QVERIFY(o.document().apply({DescribeKnob{"register", "state", {}, false}}, QStringLiteral("unlock")));
        QTest::keyClick(states, Qt::Key_Down);
        // Saved, read, forgotten, and that undone.
        QTest::mouseClick(o.seen<QPushButton>("forget-state"), Qt::LeftButton);
        QVERIFY(caughtStates(o.patch(), o.document().library(), "register").empty());
        o.document().history().undo();
        QCOMPARE(caughtStates(*readPatch(writePatch(o.patch())), o.document().library(), "register").size(),
                 std::size_t{1});
    }

    /// The name is asked for; meanwhile another post is chosen.
    void aNameThatComesLateDoesNoHarm() {
        Boxing o(QStringLiteral(LARIAT_SOURCE "/data/demo/deep-water.json"));
        o.window.selection().choosePost("register");
        o.window.sound().setRunning(true);
        EVENTUALLY(o.window.sound().engine().told("register"));
        EVENTUALLY(o.seen<QPushButton>("catch-state"));
        QTimer::singleShot(50, &o.window, [&] { o.window.selection().choosePost("echo"); });
        QTimer::singleShot(150, &o.window, [] { answerInput({QStringLiteral("Late")}); });
        QTest::mouseClick(o.seen<QPushButton>("catch-state"), Qt::LeftButton);
        QVERIFY(o.window.selection().post() == "echo");
    }
};

QTEST_MAIN(BoxWindowTest)
#include "box_window_test.moc"
