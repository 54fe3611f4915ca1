// The module maker and the calibration of knobs through the real window: lines are typed, faults mended, the module is
// heard on its stand, kept, taken into a case, and calibrated; and all of it is undone.
#include "app/opened.h"
#include "maker/keep_module.h"
#include "model/audio_file.h"
#include "model/file.h"
#include "stock/maker_page.h"
#include "stock/stock_place.h"

#include <QLineEdit>
#include <QListWidget>
#include <QTableWidget>
#include <QTextBlock>

#include <fstream>
#include <numbers>

using namespace lariat;
using namespace lariat::test;

namespace {

const QString kVoice = QStringLiteral("module Test voice\n"
                                      "8 HP, 30 mA on +12 V, 30 mA on -12 V\n"
                                      "part Voice\n"
                                      "osc is a vco\n"
                                      "vca is a vca, with offset 50 %\n"
                                      "osc sine to vca in\n"
                                      "jack pitch is osc voct\n"
                                      "jack out is vca out\n"
                                      "knob Tune is osc fine\n"
                                      "knob Level is vca offset\n"
                                      "main Tune, Level\n");

/// The window with a folder of the user's own, in the Stock place.
struct Making {
    QTemporaryDir own;
    QTemporaryDir folder;
    MainWindow window;

    Making() : window(loadWorkspace(dataFolder(), ownPath()), allPlaces(), folder.filePath(QStringLiteral("u"))) {
        window.openCopy(kLamp);
        window.sound().openDevice(QString::fromLatin1(kSimulatedDevice));
        window.show();
        QVERIFY(QTest::qWaitForWindowExposed(&window));
        window.activateWindow();
        window.showPlace(QStringLiteral("stock"));
        QCoreApplication::processEvents();
    }
    [[nodiscard]] std::filesystem::path ownPath() const { return own.path().toStdString(); }
    StockPlace& place() { return *dynamic_cast<StockPlace*>(window.place(QStringLiteral("stock"))); }
    MakerPage& maker() { return place().maker(); }
    Document& document() { return window.document(); }
    PatchPlace& chart() { return *dynamic_cast<PatchPlace*>(maker().chart()); }
    Sound& stand() { return maker().stand()->sound; }
    template <class T> T* find(const char* name) { return window.findChild<T*>(QString::fromLatin1(name)); }
    void press(const char* name) {
        // One that was shown before may still be on its way out, and one that is new not be laid out yet.
        QAbstractButton* button = nullptr;
        EVENTUALLY_OR(
            [&] {
                const auto all = window.findChildren<QAbstractButton*>(QString::fromLatin1(name));
                const auto seen = std::ranges::find_if(all, [](QAbstractButton* one) { return one->isVisible(); });
                button = seen == all.end() ? nullptr : *seen;
                return button && button->isEnabled();
            }(),
            name);
        QTest::mouseClick(button, Qt::LeftButton);
        QCoreApplication::processEvents();
    }
    /// Exchanges all lines, by keys.
    void type(const QString& text) {
        ModuleLines& lines = maker().lines();
        lines.setFocus();
        QTest::keyClick(&lines, Qt::Key_A, Qt::ControlModifier);
        QTest::keyClicks(&lines, text.left(1));
        QTest::keyClick(&lines, Qt::Key_A, Qt::ControlModifier);
        lines.insertPlainText(text);
        EVENTUALLY(!maker().faultText().isEmpty() || standsAs(text));
    }
    [[nodiscard]] bool standsAs(const QString& text) {
        const ModuleText read = readModuleText(text.toStdString());
        const ModuleInfo* there = read.module ? maker().stand()->document.library().module(read.module->id) : nullptr;
        return there && there->description == *read.module;
    }
    void make(const QString& text) {
        place().make({});
        QVERIFY(maker().active());
        type(text);
        EVENTUALLY(standsAs(text));
    }
    /// The loudest of the next half second of the stand.
    float loudness() {
        const auto from = stand().engine().meters.frames.load();
        stand().engine().meters.peakLeft = 0.0f;
        float loudest = 0.0f;
        while (stand().engine().meters.frames.load() < from + 24000) {
            QTest::qWait(5);
            loudest = std::max(loudest, stand().engine().meters.peakLeft.load());
        }
        return loudest;
    }
    [[nodiscard]] std::optional<ModuleInfo> kept(const std::string& id) {
        const Workspace again = loadWorkspace(dataFolder(), ownPath());
        const ModuleInfo* module = again.library.module(id);
        return module ? std::optional(*module) : std::nullopt;
    }
};

const ModuleInfo& lampVca(const Library& library) {
    return *library.module("ballast-vcas");
}

} // namespace

class MakerWindowTest : public QObject {
    Q_OBJECT

  private Q_SLOTS:
    void initTestCase() { prepareApplication(settings_); }

    void aModuleIsWrittenHeardKeptAndUsed() {
        Making o;
        answerDialog<QDialog>([](QDialog& dialog) { dialog.findChild<QListWidget*>()->setCurrentRow(0); });
        o.press("make-module");
        EVENTUALLY(o.maker().active());
        QVERIFY(o.maker().isVisible());
        // A fault is said at its line, and pressing it leads there.
        o.type(QString(kVoice).replace(QLatin1String("osc sine to"), QLatin1String("osc sien to")));
        EVENTUALLY(o.maker().faultText().contains(QLatin1String("Line 6: osc (vco) has no jack \"sien\"; near: sine")));
        QVERIFY(!o.find<QPushButton>("maker-keep")->isEnabled());
        o.press("maker-fault");
        QCOMPARE(o.maker().lines().line(), 6);
        QCOMPARE(o.window.focusWidget(), static_cast<QWidget*>(&o.maker().lines()));
        QVERIFY(o.find<QLabel>("maker-hint")->text().contains(QLatin1String("osc: VCO")) ||
                o.find<QLabel>("maker-hint")->text().contains(QLatin1String("vca: VCA")));
        // Mended by keys, it is heard.
        QTest::keyClick(&o.maker().lines(), Qt::Key_Home);
        for (int i = 0; i < 4; ++i) QTest::keyClick(&o.maker().lines(), Qt::Key_Right);
        for (int i = 0; i < 4; ++i) QTest::keyClick(&o.maker().lines(), Qt::Key_Delete);
        QTest::keyClicks(&o.maker().lines(), QStringLiteral("sine"));
        EVENTUALLY(o.standsAs(kVoice));
        QVERIFY(o.maker().faultText().isEmpty());
        QVERIFY(o.loudness() > 0.02f);
        // The window's own sound waits for it.
        QVERIFY(o.window.sound().deviceName().isEmpty());
        o.press("maker-keep");
        QVERIFY(o.window.messages().text().contains(QLatin1String("is among your modules")));
        QVERIFY(o.kept("test-voice"));
        QVERIFY(o.document().library().module("test-voice"));
        o.press("maker-back");
        QVERIFY(!o.maker().active());
        QVERIFY(!o.window.sound().deviceName().isEmpty());
        // … and taken into the case like any other.
        answerDialog<QDialog>([](QDialog& dialog) {
            dialog.findChild<QLineEdit*>(QStringLiteral("find-module"))->setText(QStringLiteral("Test voice"));
        });
        o.press("add-module");
        EVENTUALLY(std::ranges::any_of(o.document().housing()->slots,
                                       [](const Slot& slot) { return slot.module == "test-voice"; }));
    }

    void theSoundFollowsTheLines() {
        Making o;
        o.make(kVoice);
        QVERIFY(o.loudness() > 0.02f);
        QString silent = kVoice;
        silent.remove(QStringLiteral("osc sine to vca in\n"));
        o.type(silent);
        EVENTUALLY(o.standsAs(silent));
        EVENTUALLY(o.loudness() < 0.001f);
        o.type(kVoice);
        EVENTUALLY(o.standsAs(kVoice));
        EVENTUALLY(o.loudness() > 0.02f);
        // A fault leaves what stood there before.
        o.type(kVoice + QStringLiteral("nonsense\n"));
        EVENTUALLY(o.maker().faultText().contains(QLatin1String("Line 12")));
        QVERIFY(o.loudness() > 0.02f);
    }

    void behindThePanelWiresAreTied() {
        Making o;
        o.make(kVoice);
        auto* view = o.find<QComboBox>("maker-view");
        view->setFocus();
        QTest::keyClick(view, Qt::Key_Down);
        Document& document = o.maker().stand()->document;
        EVENTUALLY(document.patch().post("in-voice-osc") != nullptr);
        QVERIFY(o.loudness() > 0.02f);
        const Cable* wire = document.patch().cableInto({"in-voice-vca", "in"});
        QVERIFY(wire);
        // By a sentence: another wave in its place.
        o.maker().stand()->selection.chooseCable(wire->id);
        QVERIFY(document.apply({RemoveCable{wire->id}}, QStringLiteral("take out")));
        EVENTUALLY(!o.maker().lines().toPlainText().contains(QLatin1String("osc sine to vca in")));
        auto* tie = o.maker().findChild<TieLine*>();
        QVERIFY(tie && tie->isVisible());
        tie->setFocus();
        tie->setText(QStringLiteral("osc triangle to vca in"));
        QTest::keyClick(tie, Qt::Key_Return);
        EVENTUALLY_OR(o.maker().lines().toPlainText().contains(QLatin1String("osc triangle to vca in")),
                      qPrintable(o.maker().lines().toPlainText()));
        EVENTUALLY(o.loudness() > 0.02f);
        QVERIFY(document.patch().cableInto({"in-voice-vca", "in"}));
        // Undone on the stand, it goes from the lines as well.
        document.history().undo();
        QVERIFY(!o.maker().lines().toPlainText().contains(QLatin1String("osc triangle")));
        document.history().redo();
        QVERIFY(o.maker().lines().toPlainText().contains(QLatin1String("osc triangle to vca in")));
        o.press("maker-keep");
        QCOMPARE(o.kept("test-voice")->description.parts[0].wires[0].from, std::string("osc.triangle"));
    }

    void whatIsTurnedOnTheStandStays() {
        Making o;
        o.make(kVoice);
        const Session& stand = *o.maker().stand();
        stand.selection.choosePost("made-voice");
        QCoreApplication::processEvents();
        Knob* knob = o.chart().inspector().knob("tune");
        QVERIFY(knob);
        knob->turnToValue(3.0);
        // A hand is on a knob while the lines take it away: nothing breaks, the other one stays.
        Knob* level = o.chart().inspector().knob("level");
        QTest::mousePress(level, Qt::LeftButton, {}, level->rect().center());
        QString less = kVoice;
        less.remove(QStringLiteral("knob Level is vca offset\n"))
            .replace(QLatin1String("Tune, Level"), QLatin1String("Tune"));
        o.maker().lines().exchange(less);
        EVENTUALLY(o.standsAs(less));
        QTest::qWait(150);
        QVERIFY(!o.chart().inspector().knob("level"));
        QCOMPARE(stand.document.patch().post("made-voice")->knobs.at("tune"), 3.0);
        // Undo while the stand has the keyboard is the stand's, not the patch's.
        const auto before = o.document().history().index();
        o.chart().inspector().knob("tune")->turnToValue(-2.0);
        QCOMPARE(stand.document.patch().post("made-voice")->knobs.at("tune"), -2.0);
        o.chart().chart().setFocus();
        QTest::keyClick(&o.chart().chart(), Qt::Key_Z, Qt::ControlModifier);
        QCOMPARE(stand.document.patch().post("made-voice")->knobs.at("tune"), 3.0);
        QCOMPARE(o.document().history().index(), before);
    }

    void anotherPlaceMeanwhile() {
        Making o;
        o.make(kVoice);
        o.type(kVoice + QStringLiteral("# not done yet\n"));
        o.window.showPlace(QStringLiteral("patch"));
        QVERIFY(!o.window.sound().deviceName().isEmpty());
        QVERIFY(o.maker().stand()->sound.deviceName().isEmpty());
        const auto frames = o.window.sound().engine().meters.frames.load();
        EVENTUALLY(o.window.sound().engine().meters.frames.load() > frames + 4800);
        o.window.openCopy(kLamp); // another document
        o.window.showPlace(QStringLiteral("stock"));
        QVERIFY(o.maker().isVisible());
        QVERIFY(o.loudness() > 0.02f);
        // What is recorded needs the device: the maker waits.
        o.press("maker-back");
        o.window.sound().record(o.folder.filePath(QStringLiteral("take.wav")));
        o.place().make({});
        QVERIFY(!o.maker().active());
        QVERIFY(o.window.messages().text().contains(QLatin1String("end the recording first")));
        o.window.sound().stopRecording();
    }

    void unfinishedLinesComeBack() {
        QTemporaryDir own;
        const QString unfinished = kVoice + QStringLiteral("jack more is osc\n");
        Making first;
        first.place().make("cask-drum");
        first.type(unfinished);
        first.press("maker-back");
        QVERIFY(std::filesystem::exists(first.ownPath() / "drafts" / "cask-drum.txt"));
        first.place().make({});
        QVERIFY(!first.maker().lines().toPlainText().contains(QLatin1String("jack more")));
        first.press("maker-back");
        first.place().make("cask-drum");
        QCOMPARE(first.maker().lines().toPlainText(), unfinished);
        QVERIFY(first.window.messages().text().contains(QLatin1String("left here unfinished")));
        // Once it is kept, nothing is unfinished.
        first.type(kVoice);
        EVENTUALLY(first.standsAs(kVoice));
        first.press("maker-keep");
        QVERIFY(!std::filesystem::exists(first.ownPath() / "drafts" / "cask-drum.txt"));
        // A fault in the lines of what is kept is unfinished, though the stand still has the module as it is kept.
        first.type(unfinished);
        EVENTUALLY(!first.maker().faultText().isEmpty());
        first.press("maker-back");
        first.place().make("test-voice");
        QCOMPARE(first.maker().lines().toPlainText(), unfinished);
    }

    void aFileIsOpenedAndWritten() {
        Making o;
        const QString file = o.folder.filePath(QStringLiteral("voice.txt"));
        QVERIFY(writeFile(file.toStdString(), kVoice.toStdString(), FileKind::Text));
        o.maker().beginFromFile(file);
        QVERIFY(o.maker().active());
        EVENTUALLY(o.standsAs(kVoice));
        o.maker().beginFromFile(QStringLiteral("/nowhere.json"));
        QVERIFY(o.window.messages().text().contains(QLatin1String("nowhere")));
        o.place().make({});
        o.type(kVoice);
        EVENTUALLY(o.standsAs(kVoice));
        const QString out = o.folder.filePath(QStringLiteral("out.json"));
        answerFileDialog(out);
        o.press("maker-export");
        EVENTUALLY(QFileInfo::exists(out));
        QVERIFY(readModuleFile(out.toStdString()));
    }

    void aModuleInUseThatLosesAJackIsRefused() {
        Making o;
        ModuleDescription less = lampVca(o.document().library()).description;
        std::erase_if(less.parts[0].jacks, [](const JackDescription& jack) { return jack.id == "in"; });
        const auto cables = o.document().patch().cables.size();
        const bool listed =
            less.parts[0].jacks.size() < lampVca(o.document().library()).description.parts[0].jacks.size();
        if (!listed) less.parts[0].jacks = {{"out", "", "", "", {}, {}, {}, {}, {}}};
        QVERIFY(!o.document().changeModule(*resolveModule(less), QStringLiteral("change")));
        QVERIFY(o.window.messages().text().contains(QLatin1String("stays as it was")));
        QCOMPARE(o.document().patch().cables.size(), cables);
        QVERIFY(!std::filesystem::exists(moduleFile(o.ownPath(), "ballast-vcas")));
    }

    void aModuleInUseIsChangedWhileItPlays() {
        Making o;
        ModuleDescription changed = lampVca(o.document().library()).description;
        changed.about = "Another word";
        QVERIFY(o.document().changeModule(*resolveModule(changed), QStringLiteral("change a module")));
        QVERIFY(std::filesystem::exists(moduleFile(o.ownPath(), "ballast-vcas")));
        const auto frames = o.window.sound().engine().meters.frames.load();
        EVENTUALLY(o.window.sound().engine().meters.frames.load() > frames + 4800);
        o.document().history().undo();
        QVERIFY(!std::filesystem::exists(moduleFile(o.ownPath(), "ballast-vcas")));
        QVERIFY(lampVca(o.document().library()).description.about != "Another word");
        o.document().history().redo();
        QCOMPARE(lampVca(o.document().library()).description.about, std::string("Another word"));
        // Somebody else writes the file: that is not written over, nor taken away.
        ModuleDescription theirs = changed;
        theirs.about = "Their word";
        QVERIFY(keepModule(theirs, o.ownPath()));
        o.document().history().undo();
        QVERIFY(o.window.messages().text().contains(QLatin1String("changed outside")));
        QCOMPARE(o.kept("ballast-vcas")->description.about, std::string("Their word"));
    }

    void aKnobIsCalibratedByReading() {
        Making o;
        o.window.showPlace(QStringLiteral("patch"));
        auto& patchPlace = *dynamic_cast<PatchPlace*>(o.window.place(QStringLiteral("patch")));
        const Patch& patch = o.document().patch();
        const auto post = std::ranges::find_if(patch.posts, [&](const Post& one) {
            const KnobInfo* knob = o.document().library().part(one)->knob("cutoff");
            return knob && knob->scale.unit == Unit::Hertz;
        });
        QVERIFY(post != patch.posts.end());
        const std::string id = post->id;
        const std::string module = post->module;
        o.window.selection().choosePost(id);
        EVENTUALLY(patchPlace.inspector().knob("cutoff") != nullptr);
        const double value = knobValue(*post, *o.document().library().part(*post)->knob("cutoff"));
        const std::string madeFor =
            clockHand(o.document().library().part(*post)->knob("cutoff")->scale.toFraction(value));
        Q_EMIT patchPlace.inspector().knob("cutoff")->calibrateWanted();
        auto* dialog = o.find<QDialog>("calibrate-dialog");
        QVERIFY(dialog && dialog->isVisible());
        auto* table = dialog->findChild<QTableWidget*>();
        auto* take = dialog->findChild<QPushButton*>(QStringLiteral("calibrate-take"));
        auto* answer = dialog->findChild<QLabel*>(QStringLiteral("calibrate-answer"));
        QVERIFY(!take->isEnabled());
        // Typed into the table, by keys: what a meter said at the places that stand there.
        const QStringList read = {QStringLiteral("80 Hz"), QStringLiteral("200 Hz"), QStringLiteral("500"),
                                  QStringLiteral("1.25 kHz")};
        for (int row = 0; row < read.size(); ++row) {
            table->setCurrentCell(row, 1);
            table->editItem(table->item(row, 1));
            auto* field = qobject_cast<QLineEdit*>(table->indexWidget(table->currentIndex()));
            if (!field) field = table->viewport()->findChild<QLineEdit*>();
            QVERIFY(field);
            QTest::keyClicks(field, read[row]);
            QTest::keyClick(field, Qt::Key_Return);
            QCoreApplication::processEvents();
        }
        QVERIFY2(answer->text().startsWith(QLatin1String("exponential")), qPrintable(answer->text()));
        QVERIFY(take->isEnabled());
        QVERIFY(table->item(0, 3)->text().contains(QLatin1String("min")));
        // Two that contradict each other are refused, with both.
        table->item(3, 1)->setText(QStringLiteral("100 Hz"));
        QVERIFY(answer->text().contains(QLatin1String("contradict")));
        QVERIFY(!take->isEnabled());
        table->item(3, 1)->setText(QStringLiteral("1.25 kHz"));
        table->item(4, 1)->setText(QStringLiteral("loud"));
        QVERIFY(answer->text().contains(QLatin1String("Row 5")));
        table->item(4, 1)->setText({});
        QVERIFY(take->isEnabled());
        QTest::mouseClick(take, Qt::LeftButton);
        EVENTUALLY(o.find<QDialog>("calibrate-dialog") == nullptr);
        // The sound is the same, the hand stands elsewhere: ×2.5 in two hours.
        const Scale& scale = o.document().library().part(*o.document().patch().post(id))->knob("cutoff")->scale;
        QCOMPARE(clockHand(scale.toFraction(500)), std::string("12:00"));
        QCOMPARE(clockHand(scale.toFraction(80)), std::string("8:00"));
        QCOMPARE(knobValue(*o.document().patch().post(id),
                           *o.document().library().part(*o.document().patch().post(id))->knob("cutoff")),
                 value);
        EVENTUALLY(patchPlace.inspector().knob("cutoff")->scale().marks.size() > 2);
        QVERIFY(!o.kept(module)->part(o.document().patch().post(id)->part)->knob("cutoff")->scale.marks.empty());
        o.document().history().undo();
        EVENTUALLY(patchPlace.inspector().knob("cutoff")->scale().marks.empty());
        const PartInfo& back = *o.document().library().part(*o.document().patch().post(id));
        QCOMPARE(clockHand(back.knob("cutoff")->scale.toFraction(value)), madeFor);
        QVERIFY(!std::filesystem::exists(moduleFile(o.ownPath(), module)));
    }

    void aRecordingGivesTheReading() {
        Making o;
        std::vector<float> sound(96000);
        for (std::size_t i = 0; i < sound.size(); ++i)
            sound[i] =
                0.5f * static_cast<float>(std::sin(2.0 * std::numbers::pi * 333.0 * static_cast<double>(i) / 48000.0));
        const QString file = o.folder.filePath(QStringLiteral("ring.wav"));
        QVERIFY(writeWav(file.toStdString(), sound, 1, 48000));
        o.place().caseView().choose("glowworm");
        const Case& housing = *o.document().housing();
        const auto slot = std::ranges::find(housing.slots, "skerry-filter", &Slot::module);
        QVERIFY(slot != housing.slots.end());
        o.place().caseView().choose(slot->id);
        o.document().touch();
        QCoreApplication::processEvents();
        o.press("calibrate-knob");
        auto* menu = o.find<QMenu>("knobs-menu");
        EVENTUALLY((menu = o.find<QMenu>("knobs-menu")) != nullptr);
        const auto actions = menu->actions();
        const auto cutoff = std::ranges::find_if(
            actions, [](QAction* action) { return action->text().contains(QLatin1String("utoff")); });
        QVERIFY(cutoff != actions.end());
        (*cutoff)->trigger();
        auto* dialog = o.find<QDialog>("calibrate-dialog");
        QVERIFY(dialog);
        answerFileDialog(file);
        QTest::mouseClick(dialog->findChild<QPushButton*>(QStringLiteral("calibrate-record")), Qt::LeftButton);
        auto* table = dialog->findChild<QTableWidget*>();
        QVERIFY(table->item(0, 1)->text().startsWith(QLatin1String("333")));
        // Another document, or another module, and the dialog goes.
        ModuleDescription changed = lampVca(o.document().library()).description;
        changed.about = "Another word";
        QVERIFY(o.document().changeModule(*resolveModule(changed), QStringLiteral("change a module")));
        EVENTUALLY(o.find<QDialog>("calibrate-dialog") == nullptr);
    }

  private:
    QTemporaryDir settings_;
};

QTEST_MAIN(MakerWindowTest)
#include "maker_window_test.moc"
