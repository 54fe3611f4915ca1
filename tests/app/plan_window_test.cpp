// The Plan place through the real window: a recipe is chosen, wished for, planned, heard, sought, built and taken
// apart; and what is short is told, with ways round.
#include "app/opened.h"
#include "plan/plan_place.h"
#include "stock/stock_place.h"

#include <QLineEdit>
#include <QListWidget>
#include <QRadioButton>

using namespace lariat;
using namespace lariat::test;

namespace {

struct Planning {
    QTemporaryDir own;
    QTemporaryDir folder;
    MainWindow window;

    explicit Planning(const std::string& caseId = "keepers-case")
        : window(loadWorkspace(dataFolder(), own.path().toStdString()), allPlaces(),
                 folder.filePath(QStringLiteral("u"))) {
        window.document().startNew(caseId);
        window.sound().openDevice(QString::fromLatin1(kSimulatedDevice));
        window.show();
        QVERIFY(QTest::qWaitForWindowExposed(&window));
        window.showPlace(QStringLiteral("plan"));
        settle();
    }
    PlanPlace& place() { return *dynamic_cast<PlanPlace*>(window.place(QStringLiteral("plan"))); }
    void settle() {
        QCoreApplication::processEvents();
        EVENTUALLY(place().settled());
        QCoreApplication::processEvents();
    }
    void choose(const QString& text, const std::string& id) {
        QLineEdit& field = place().recipes().field();
        field.setFocus();
        field.clear();
        QTest::keyClicks(&field, text);
        place().showRecipe(id);
        settle();
    }
    template <class T> T* find(const char* name) { return place().findChild<T*>(QString::fromLatin1(name)); }
    void press(const char* name) {
        auto* button = find<QAbstractButton>(name);
        QVERIFY2(button && button->isVisible() && button->isEnabled(), name);
        QTest::mouseClick(button, Qt::LeftButton);
        QCoreApplication::processEvents();
    }
    void wish(const char* name, const QString& value) {
        auto* field = find<QLineEdit>(name);
        QVERIFY(field);
        field->setFocus();
        field->selectAll();
        QTest::keyClicks(field, value);
        QTest::keyClick(field, Qt::Key_Return);
        settle();
    }
    [[nodiscard]] const Patch& patch() { return window.document().patch(); }
    [[nodiscard]] QString message() { return window.messages().text(); }
};

/// Fills in the dialog of that name that is opened next, and accepts it.
void whenAsked(const QString& name, std::function<void(QDialog&)> fill) {
    QTimer::singleShot(5, [name, fill] {
        auto* dialog = qobject_cast<QDialog*>(QApplication::activeModalWidget());
        if (!dialog || dialog->objectName() != name) {
            whenAsked(name, fill);
            return;
        }
        fill(*dialog);
        dialog->findChild<QDialogButtonBox*>()->button(QDialogButtonBox::Ok)->click();
    });
}

} // namespace

class PlanWindowTest : public QObject {
    Q_OBJECT

  private Q_SLOTS:
    void initTestCase() { prepareApplication(settings_); }

    /// From a wish to a patch that is built row by row and taken apart again.
    void aKickIsPlannedFoundAndBuilt() {
        Planning o;
        o.choose(QStringLiteral("two contours"), "kick-two-contours");
        QVERIFY(o.place().plan());
        QVERIFY(!o.place().readings().empty());
        o.wish("wish-note", QStringLiteral("F1"));
        o.wish("wish-length", QStringLiteral("200 ms"));
        o.press("find-settings");
        o.settle();
        for (const GoalReading& reading : o.place().readings())
            QVERIFY2(reading.met(), qPrintable(QString::fromStdString(reading.goal.name + " " + reading.text())));
        QVERIFY(o.find<QLabel>("found")->text().contains(QLatin1String("most sensitive first")));
        QVERIFY(o.place().findChild<FoundDials*>()->dials().size() == 2);
        QVERIFY(o.patch().cables.empty());
        o.press("into-patch");
        QVERIFY(!o.patch().cables.empty());
        const std::size_t cables = o.patch().cables.size();
        QCOMPARE(o.window.document().history().count(), 1);
        // What is in the patch measures as it was planned.
        const auto vca = std::ranges::find_if(o.patch().posts, [](const Post& post) { return post.name == "VCA"; });
        QVERIFY(vca != o.patch().posts.end());
        const auto tail = *measureGoals(o.patch(), o.window.document().library(),
                                        {{"tail", GoalKind::Pitch, {vca->id, "out"}, 29.0, 0.05, 0.08, 0.19}});
        QVERIFY2(tail.front().met(), tail.front().text().c_str());
        // Row by row.
        o.settle();
        o.window.findChild<QAction*>(QStringLiteral("build-with-me-action"))->trigger();
        BuildPage& build = o.place().build();
        QVERIFY(build.active());
        QCOMPARE(build.steps(), static_cast<int>(cables));
        QCOMPARE(o.window.document().untilRow(), 1);
        QVERIFY(build.text().contains(QLatin1String("Take: ")));
        QVERIFY(build.text().contains(QLatin1String(" cm")));
        QVERIFY(build.text().contains(QLatin1String(", row "))); // which module, and where it stands
        for (int row = 2; row <= static_cast<int>(cables); ++row) {
            QTest::keyClick(&build, Qt::Key_Right);
            QCOMPARE(o.window.document().untilRow(), row);
        }
        QTest::keyClick(&build, Qt::Key_Right);
        QVERIFY(!build.active());
        QCOMPARE(o.window.document().untilRow(), 0);
        o.window.findChild<QAction*>(QStringLiteral("take-apart"))->trigger();
        QVERIFY(build.text().contains(QLatin1String("Take out: ")));
        QTest::keyClick(&build, Qt::Key_Escape);
        QVERIFY(!build.active());
        o.window.document().history().undo();
        QVERIFY(o.patch().cables.empty() && o.patch().posts.empty());
    }

    /// A patch that runs has its tempo: that of the one that is open now.
    void theTempoIsThatOfThePatch() {
        Planning o("tower-case");
        o.window.openCopy(QStringLiteral(LARIAT_SOURCE "/data/demo/double-strike.json"));
        o.settle();
        QCOMPARE(o.find<QLineEdit>("wish-tempo")->text(), QStringLiteral("100 BPM"));
    }

    void aWishThatCannotBeReadStaysAsItWas() {
        Planning o;
        o.choose(QStringLiteral("two contours"), "kick-two-contours");
        o.wish("wish-note", QStringLiteral("H9"));
        QVERIFY(o.message().contains(QLatin1String("no note")));
        QCOMPARE(o.find<QLineEdit>("wish-note")->text(), QStringLiteral("D1"));
        o.wish("wish-length", QStringLiteral("99 s"));
        QVERIFY(o.message().contains(QLatin1String("outside")));
    }

    void schoolsChangeThePlan() {
        Planning o;
        o.choose(QStringLiteral("two contours"), "kick-two-contours");
        const int with = o.place().plan()->tied;
        auto* school = o.find<QComboBox>("wish-school");
        school->setCurrentIndex(1);
        Q_EMIT school->activated(1);
        o.settle();
        QCOMPARE(o.place().plan()->tied, with - 1);
    }

    /// Everything is in use: said by function, and a way round it is taken.
    void whatIsShortIsTold() {
        Planning o;
        o.window.openCopy(kLamp);
        o.window.showPlace(QStringLiteral("plan"));
        o.choose(QStringLiteral("noise"), "hat-noise");
        QVERIFY(o.place().shownText().contains(QLatin1String("Contour: 1 wanted, 4 in this case, 4 in use")));
        auto* way = o.find<QRadioButton>("way-1");
        QVERIFY(way && way->isVisible());
        QTest::mouseClick(way, Qt::LeftButton, {}, QPoint(8, way->height() / 2));
        o.settle();
        QVERIFY(o.place().plan());
        const Patch before = o.patch();
        const Patch promised = o.place().plan()->after;
        o.press("into-patch");
        QCOMPARE(o.patch(), promised);
        o.window.document().history().undo();
        QCOMPARE(o.patch(), before);
    }

    void otherPlansAreOthers() {
        Planning o("tower-case");
        o.choose(QStringLiteral("two contours"), "kick-two-contours");
        const auto first = o.place().plan()->allotment.kind();
        o.press("other-plan");
        o.settle();
        QVERIFY(o.place().plan()->allotment.kind() != first);
        QVERIFY(!o.place().readings().empty());
    }

    /// A plan is heard before it is built, and the patch stays as it is.
    void aPlanIsHeard() {
        Planning o;
        o.choose(QStringLiteral("two contours"), "kick-two-contours");
        o.press("hear-plan");
        QVERIFY(o.window.document().auditions());
        QVERIFY(o.patch().cables.empty());
        QCOMPARE(o.window.document().heard(), o.place().plan()->after);
        EVENTUALLY(o.window.sound().engine().meters.peakLeft.load() > 0.05f);
        // Another place: it is the patch again that is heard.
        o.window.showPlace(QStringLiteral("patch"));
        QVERIFY(!o.window.document().auditions());
        o.window.showPlace(QStringLiteral("plan"));
        o.settle();
        o.press("hear-plan");
        o.press("into-patch"); // building it ends the audition too
        QVERIFY(!o.window.document().auditions());
        QVERIFY(!o.find<QPushButton>("hear-plan")->isChecked());
    }

    /// Edits, undo and another document while something is worked out.
    void whatChangesMeanwhileIsPlannedAnew() {
        Planning o;
        o.choose(QStringLiteral("two contours"), "kick-two-contours");
        o.place().findSettings();
        o.window.document().startNew("tower-case");
        o.settle();
        QVERIFY(o.place().plan());
        for (const Casting& cast : o.place().plan()->allotment.castings)
            QVERIFY(o.window.document().housing()->slot(cast.seat->slot));
        o.press("into-patch");
        o.settle();
        o.press("into-patch"); // a second one, beside the first
        o.settle();
        std::set<std::string> voices;
        for (const Post& post : o.patch().posts)
            if (!post.voice.empty()) voices.insert(post.voice);
        QCOMPARE(voices, (std::set<std::string>{"Kick", "Kick 2"}));
        BuildPage& build = o.place().build();
        o.window.findChild<QAction*>(QStringLiteral("build-with-me-action"))->trigger();
        QVERIFY(build.active());
        o.window.document().history().undo();
        o.window.document().history().undo();
        QVERIFY(!build.active()); // nothing is left of what it showed
        o.window.document().startNew("keepers-case");
        o.settle();
        QVERIFY(o.place().plan());
    }

    /// A knob that is turned plans nothing anew; a step that is written does, and stays.
    void onlyWhatMattersIsPlannedAnew() {
        Planning o("tower-case");
        o.choose(QStringLiteral("two contours"), "kick-two-contours");
        o.press("into-patch");
        o.settle();
        const Plan* before = o.place().plan();
        QVERIFY(before);
        const Post& clock =
            *std::ranges::find_if(o.patch().posts, [](const Post& p) { return p.module == "bosun-clock"; });
        o.window.document().turnKnob(clock.id, "tempo", 133.0);
        QVERIFY(o.place().settled());
        QCOMPARE(o.place().plan(), before);
        // Steps that are written meanwhile are not written over by the next plan.
        Pattern pattern = *o.patch().patterns.front();
        pattern.tracks.assign(1, Track{});
        pattern.tracks[0].steps.assign(5, Step{Step::Kind::Note, 53});
        QVERIFY(o.window.document().apply({SetPattern{Shared<Pattern>(pattern)}}, QStringLiteral("write")));
        QTest::mouseClick(o.find<QAbstractButton>("into-patch"), Qt::LeftButton); // too early: it waits
        o.settle();
        o.press("into-patch");
        const Pattern& after = *o.patch().patterns.front();
        QVERIFY(!after.tracks.empty());
        QCOMPARE(after.tracks[0].steps, pattern.tracks[0].steps);
    }

    /// The questions of the detective lead to a place, whatever is answered.
    void theDetectiveAsks() {
        Planning o;
        o.choose(QStringLiteral("two contours"), "kick-two-contours");
        o.press("into-patch");
        o.settle();
        o.window.findChild<QAction*>(QStringLiteral("build-with-me-action"))->trigger();
        BuildPage& build = o.place().build();
        while (build.step() + 1 < build.steps()) QTest::keyClick(&build, Qt::Key_Right);
        o.press("build-wrong");
        auto* question = o.find<QLabel>("build-question");
        QVERIFY(question->isVisible());
        for (int i = 0; i < 10 && o.find<QPushButton>("build-no")->isVisible(); ++i) o.press("build-no");
        QVERIFY2(question->text().contains(QLatin1String("dead link")), qPrintable(question->text()));
        QTest::keyClick(&build, Qt::Key_Left);
        QVERIFY(!question->isVisible());
        o.press("build-done");
        QVERIFY(!build.active());
    }

    void aVoiceIsKeptAsARecipe() {
        Planning o;
        o.window.openCopy(kLamp);
        o.window.showPlace(QStringLiteral("plan"));
        o.settle();
        answerInput({QStringLiteral("Kick"), QStringLiteral("Harbour kick")});
        whenAsked(QStringLiteral("what-varies"), [](QDialog& dialog) {
            auto* list = dialog.findChild<QListWidget*>();
            for (int i = 0; i < list->count(); ++i)
                if (list->item(i)->text().contains(QLatin1String("Decay"))) {
                    list->item(i)->setCheckState(Qt::Checked);
                    return;
                }
            QFAIL("no decay");
        });
        o.window.findChild<QAction*>(QStringLiteral("keep-recipe"))->trigger();
        QVERIFY2(o.message().contains(QLatin1String("Harbour kick")), qPrintable(o.message()));
        QVERIFY(QFile::exists(o.own.filePath(QStringLiteral("recipes/my-harbour-kick.json"))));
        o.window.document().startNew("keepers-case");
        o.choose(QStringLiteral("Harbour"), "my-harbour-kick");
        QVERIFY(o.place().plan());
        // The knob that was to vary is wished.
        auto* decay = o.find<QLineEdit>("wish-wish1");
        QVERIFY(decay);
        o.wish("wish-wish1", QStringLiteral("77 ms"));
        o.press("into-patch");
        QVERIFY(o.patch().cables.size() >= 5);
        QVERIFY(std::ranges::any_of(o.patch().posts, [](const Post& post) {
            return std::ranges::any_of(post.knobs,
                                       [](const auto& knob) { return std::abs(knob.second - 0.077) < 1e-9; });
        }));
    }

    /// A finding that turning a knob mends leads to the search for its setting.
    void aFindingLeadsToItsSetting() {
        Planning o;
        o.window.openCopy(kLamp);
        o.window.showPlace(QStringLiteral("patch"));
        EVENTUALLY(o.window.checker().settled());
        // The amplifier's input is closed: its knob opens it.
        const Patch& patch = o.patch();
        const auto post = std::ranges::find_if(patch.posts, [&](const Post& one) {
            return o.window.document().library().part(one)->has("vca") &&
                   std::ranges::any_of(patch.cables, [&](const Cable& cable) { return cable.to.post == one.id; });
        });
        QVERIFY(post != patch.posts.end());
        o.window.document().turnKnob(post->id, "lin-amount", 0.0);
        EVENTUALLY(std::ranges::any_of(o.window.checker().findings(), [](const Finding& finding) {
            return std::ranges::any_of(finding.fixes, [](const Fix& fix) {
                return std::ranges::any_of(fix.edits, [](const Edit& e) { return std::holds_alternative<SetKnob>(e); });
            });
        }));
        auto* patchPlace = dynamic_cast<PatchPlace*>(o.window.place(QStringLiteral("patch")));
        patchPlace->panel().setCurrentIndex(1);
        QLabel* link = nullptr;
        EVENTUALLY([&] {
            for (auto* label : patchPlace->panel().findings().findChildren<QLabel*>())
                if (label->accessibleName() == QStringLiteral("Find the setting for…")) link = label;
            return link != nullptr;
        }());
        Q_EMIT link->linkActivated(QStringLiteral("fix"));
        auto* dialog = o.window.findChild<QDialog*>(QStringLiteral("find-dialog"));
        QVERIFY(dialog && dialog->isVisible());
    }

    /// From the menu of a knob: a goal is typed, found and taken.
    void aSettingIsFoundFromAKnob() {
        Planning o;
        o.window.openCopy(kLamp);
        o.window.showPlace(QStringLiteral("patch"));
        o.window.selection().choosePost("osc-c");
        QCoreApplication::processEvents();
        const std::string post =
            o.window.selection().post().empty() ? o.patch().posts.front().id : o.window.selection().post();
        auto* patchPlace = dynamic_cast<PatchPlace*>(o.window.place(QStringLiteral("patch")));
        // The kick's oscillator, whatever it is called.
        const auto kick = std::ranges::find_if(o.patch().posts, [](const Post& p) { return p.slot == "anchor"; });
        o.window.selection().choosePost(kick->id);
        QCoreApplication::processEvents();
        const auto knobs = patchPlace->findChildren<Knob*>();
        const auto fine =
            std::ranges::find_if(knobs, [](Knob* k) { return k->isVisible() && k->scale().unit == Unit::Semitones; });
        QVERIFY(fine != knobs.end());
        Q_EMIT(*fine)->findWanted();
        auto* dialog = o.window.findChild<QDialog*>(QStringLiteral("find-dialog"));
        QVERIFY(dialog);
        dialog->findChild<QLineEdit*>(QStringLiteral("find-want"))->setText(QStringLiteral("E1"));
        dialog->findChild<QLineEdit*>(QStringLiteral("find-within"))->setText(QStringLiteral("20 cents"));
        dialog->findChild<QDoubleSpinBox*>(QStringLiteral("find-from"))->setValue(0.2);
        dialog->findChild<QDoubleSpinBox*>(QStringLiteral("find-to"))->setValue(0.5);
        const double before = knobValue(*kick, *o.window.document().library().part(*kick)->knob("fine"));
        QTest::mouseClick(dialog->findChild<QPushButton*>(QStringLiteral("find-go")), Qt::LeftButton);
        auto* take = dialog->findChild<QPushButton*>(QStringLiteral("find-take"));
        EVENTUALLY(take->isEnabled());
        QVERIFY2(
            dialog->findChild<QLabel*>(QStringLiteral("find-answer"))->text().contains(QLatin1String("holds from")),
            qPrintable(dialog->findChild<QLabel*>(QStringLiteral("find-answer"))->text()));
        QTest::mouseClick(take, Qt::LeftButton);
        const Post& now = *o.patch().post(kick->id);
        QVERIFY(std::abs(knobValue(now, *o.window.document().library().part(now)->knob("fine")) - before) > 0.5);
    }

    /// A case that was made, a module that was added: planned with what is there.
    void aNewCaseIsPlannedFor() {
        Planning o;
        auto* stock = dynamic_cast<StockPlace*>(o.window.place(QStringLiteral("stock")));
        o.window.showPlace(QStringLiteral("stock"));
        answerDialog<QDialog>([](QDialog& dialog) {
            dialog.findChild<QLineEdit*>(QStringLiteral("case-name"))->setText(QStringLiteral("Boat"));
        });
        auto* cases = qobject_cast<QComboBox*>(stock->tool());
        Q_EMIT cases->activated(cases->count() - 1);
        for (const char* name :
             {"Beacon clock", "Watch tracks", "Anchor VCO", "Lantern contours", "Mussel gates", "Harbour out"}) {
            const std::size_t before = o.window.document().housing()->slots.size();
            answerDialog<QDialog>([name](QDialog& dialog) {
                dialog.findChild<QLineEdit*>(QStringLiteral("find-module"))->setText(QString::fromLatin1(name));
            });
            QTest::mouseClick(stock->findChild<QPushButton*>(QStringLiteral("add-module")), Qt::LeftButton);
            EVENTUALLY_EQUAL(o.window.document().housing()->slots.size(), before + 1);
        }
        o.window.showPlace(QStringLiteral("plan"));
        o.settle();
        o.choose(QStringLiteral("two contours"), "kick-two-contours");
        // No VCA in this case: a low-pass gate stands in, and says what it costs.
        QVERIFY(o.place().plan());
        QCOMPARE(o.place().plan()->allotment.standIns(), 1);
        QVERIFY(o.place().shownText().contains(QLatin1String("stands in: a low-pass gate")));
        o.press("into-patch");
        QVERIFY(!o.patch().cables.empty());
    }

  private:
    QTemporaryDir settings_;
};

QTEST_MAIN(PlanWindowTest)
#include "plan_window_test.moc"
