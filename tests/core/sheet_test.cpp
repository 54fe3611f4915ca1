// The patch sheet says everything that is needed to build the patch again.
#include "sheet/sheet.h"
#include "support/patches.h"

#include <QtTest>

using namespace lariat;
using namespace lariat::test;

class SheetTest : public QObject {
    Q_OBJECT

    Sheet sheet_;
    std::string markdown_;

    [[nodiscard]] bool says(const char* text) const { return markdown_.find(text) != std::string::npos; }

  private Q_SLOTS:
    void initTestCase() {
        const Patch patch = lamp();
        const auto observed = observe(patch, workspace().library, workspace().housing(patch), 3.0);
        QVERIFY(observed);
        sheet_ = makeSheet(*observed, everythingIn(*observed));
        markdown_ = writeMarkdown(sheet_);
    }

    void everyCableStandsInBuildOrder() {
        QCOMPARE(sheet_.rows.size(), std::size_t{21});
        std::size_t before = 0;
        for (int n = 1; n <= 21; ++n) {
            const std::size_t place = markdown_.find("\n| " + std::to_string(n) + " | ");
            QVERIFY2(place != std::string::npos && place > before, qPrintable(QString::number(n)));
            before = place;
        }
        QVERIFY(says("| 1 | Follower saw | Filter in 1 | 30 cm blue |"));
    }

    void everyKnobHasValueAndHand() {
        QVERIFY(says("1480 Hz"));
        QVERIFY(says("1:33")); // of 16 … 16000 Hz, logarithmic
        std::size_t knobs = 0;
        for (const SheetPost& post : sheet_.posts)
            for (const SheetKnob& knob : post.knobs) {
                ++knobs;
                QVERIFY(!knob.value.empty());
                QCOMPARE(knob.hand.empty(), knob.isSwitch);
                QVERIFY(knob.fraction >= 0.0 && knob.fraction <= 1.0);
            }
        QVERIFY(knobs > 60);
    }

    void patternReadingsAndCautionsArePrinted() {
        for (const char* text : {"D3", "rest", "Kick", "D minor", "112 BPM", "Keeper's case", "dBFS", "ribbon",
                                 "Start with the monitor turned down"})
            QVERIFY2(says(text), text);
        QVERIFY(says("feeds Line out in R behind the panel"));
        QVERIFY(says("Start with the monitor down")); // the note of row 4
    }

    /// Scenes in words, all variations, and the table of a converter instead of its forty-two cells.
    void scenesVariationsAndTablesArePrinted() {
        const Patch night = demo("night-watch.json");
        const auto observed = observe(night, workspace().library, workspace().housing(night), 0.1);
        QVERIFY(observed);
        const std::string text = writeMarkdown(makeSheet(*observed, {}));
        for (const Scene& scene : night.scenes)
            QVERIFY2(text.find(scene.name + ": ") != std::string::npos, scene.name.c_str());
        QVERIFY(text.find("left: ") != std::string::npos || text.find("right: ") != std::string::npos);
        QVERIFY(text.find(" B: ") != std::string::npos && text.find(" A: ") != std::string::npos);
        const Patch mast = demo("signal-mast.json");
        const auto heard = observe(mast, workspace().library, workspace().housing(mast), 0.1);
        QVERIFY(heard);
        const std::string table = writeMarkdown(makeSheet(*heard, {}));
        QVERIFY(table.find("pitch-1: pitch of voice 1") != std::string::npos);
        QVERIFY(table.find("cv-3 number") == std::string::npos);
    }

    void openFindingsAreNamed() {
        QCOMPARE(sheet_.findings.size(), std::size_t{3});
        QVERIFY(says("sustain is never reached"));
    }

    void cablesAreCounted() {
        int used = 0;
        for (const SheetCount& count : sheet_.cables) {
            used += count.count;
            QVERIFY(count.owned >= count.count);
        }
        QCOMPARE(used, 21);
    }

    void tracesAreThere() {
        for (const SheetRow& row : sheet_.rows) QVERIFY2(row.trace.size() > 100, row.from.c_str());
    }

    void textInTablesIsEscaped() {
        Sheet sheet = sheet_;
        sheet.rows[0].note = "a | b\nc";
        QVERIFY(writeMarkdown(sheet).find("a \\| b c") != std::string::npos);
    }

    void anEmptyPatchHasAnEmptySheet() {
        Patch patch;
        patch.caseId = "keepers-case";
        const auto observed = observe(patch, workspace().library, nullptr, 0.1);
        QVERIFY(observed);
        QVERIFY(makeSheet(*observed, {}).rows.empty());
    }
};

QTEST_APPLESS_MAIN(SheetTest)
#include "sheet_test.moc"
