// The patch sheet says everything that is needed to build the patch again.
#include "sheet/idle.h"
#include "sheet/sheet.h"
#include "stock/carried.h"
#include "support/patches.h"

#include <QtTest>

#include <QDir>

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

    /// Link by link with its reading, so that one can go along it on metal; and what mends it.
    void theWayToAFindingIsPrinted() {
        Patch patch = lamp();
        std::erase_if(patch.cables, [](const Cable& cable) { return cable.to == jackRef("tracks.clock"); });
        const auto observed = observe(patch, workspace().library, workspace().housing(patch), 3.0);
        const Sheet sheet = makeSheet(*observed, everythingIn(*observed));
        const std::string& line = sheet.findings.front();
        QVERIFY2(line.find("The way there: Mixer mix (0.0 V, unmoved) · VCA 1 out") != std::string::npos, line.c_str());
        QVERIFY2(line.find("Tracks gate 1 (0 pulses in 3 s).") != std::string::npos, line.c_str());
        QVERIFY2(line.find("Mends it: Tie Clock 16ths to Tracks clock.") != std::string::npos, line.c_str());
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

    /// What a builder need not turn is told apart, with the reason; and it does nothing, as a run shows.
    void idleKnobsDoNothing() {
        const Patch patch = lamp();
        int idle = 0;
        for (const Post& post : patch.posts) {
            const PartInfo& part = *workspace().library.part(post);
            for (const KnobInfo& knob : part.knobs) {
                const Sentence why = whyIdle(patch, post, part, knob, workspace().library);
                if (why.empty() || knob.momentary) continue;
                ++idle;
                RenderOptions options;
                options.seconds = 1.0;
                const double other = knobValue(post, knob) == knob.scale.max ? knob.scale.min : knob.scale.max;
                const auto as = render(patch, workspace().library, options);
                const auto turned =
                    render(*applyEdit(patch, SetKnob{post.id, knob.id, other}), workspace().library, options);
                QVERIFY2(as->left == turned->left, (post.name + " " + knob.name + ": " + why.str()).c_str());
            }
        }
        QVERIFY2(idle > 15, qPrintable(QString::number(idle)));
        // By the type of a contour: each stage that a type is said to lack, and no other.
        for (int type = 0; type < 5; ++type)
            for (const char* stage : {"decay", "sustain", "release"}) {
                const Patch one =
                    *applyEdits(patch, {SetKnob{"contour-1", "type", double(type)},
                                        SetKnob{"contour-1", stage, stage == std::string("sustain") ? 20.0 : 0.02}});
                const Patch two =
                    *applyEdit(one, SetKnob{"contour-1", stage, stage == std::string("sustain") ? 95.0 : 0.3});
                RenderOptions options;
                options.seconds = 2.0;
                options.probes = {{"contour-1", "out"}};
                const bool same = render(one, workspace().library, options)->probes.begin()->second ==
                                  render(two, workspace().library, options)->probes.begin()->second;
                const PartInfo& part = *workspace().library.part(*one.post("contour-1"));
                const bool said =
                    !whyIdle(one, *one.post("contour-1"), part, *part.knob(stage), workspace().library).empty();
                QVERIFY2(same || !said,
                         qPrintable(QStringLiteral("%1 of type %2").arg(QLatin1String(stage)).arg(type)));
                QVERIFY2(!same || said,
                         qPrintable(QStringLiteral("%1 of type %2 does nothing").arg(QLatin1String(stage)).arg(type)));
            }
    }

    /// Each layout with what it is for; what is not wanted is not there.
    void layoutsAndContents() {
        SheetSettings one = settingsFor(SheetLayout::OnePage);
        const std::string short_ = writeMarkdown(sheet_, one);
        QVERIFY(short_.find("Cautions") == std::string::npos && short_.find("| Swing |") == std::string::npos);
        QVERIFY(short_.find("| Cutoff | 1480 Hz |") != std::string::npos);
        QVERIFY(markdown_.find("| Swing | 50 %") != std::string::npos); // the archive has all
        QVERIFY(says("nothing is plugged into"));
        for (const char* heading : {"Headroom along the way", "To take it apart", "For a second player", "Notes"})
            QVERIFY2(says(heading), heading);
        one.parts.insert(SheetPart::Cautions);
        QVERIFY(writeMarkdown(sheet_, one).find("ribbon") != std::string::npos);
        for (int part = 0; part < kSheetParts; ++part)
            QCOMPARE(*partFrom(partWord(static_cast<SheetPart>(part))), static_cast<SheetPart>(part));
        QVERIFY(!partFrom("dreams") && *paperFrom("a5") == Paper::A5 &&
                *layoutFrom("workbook") == SheetLayout::Workbook);
        // What is short is said.
        Sheet wanting = sheet_;
        wanting.cables = {{"30 cm blue", 5, 3}};
        QVERIFY(writeMarkdown(wanting).find("2 short") != std::string::npos);
    }

    void otherFormats() {
        Sheet sheet = sheet_;
        sheet.rows[0].note = "a, \"b\"\n<c>";
        sheet.rows[1].note = "=1+1";
        const std::string csv = writeCableCsv(sheet);
        QVERIFY(csv.find("\"a, \"\"b\"\"\n<c>\"") != std::string::npos);
        QVERIFY(csv.find(",'=1+1") != std::string::npos);    // no formula
        QCOMPARE(std::ranges::count(csv, '\n'), 1 + 21 + 1); // heading, rows, and the one within quotes
        QVERIFY(writeKnobCsv(sheet).find("Filter,Skerry filter,\"row 2, HP 41\",Cutoff,1480 Hz,1:33,") !=
                std::string::npos);
        const std::string html =
            writeHtml(sheet, settingsFor(SheetLayout::Archive), {"<svg id=\"chart\"/>", {}, "<!--carried-->"});
        QVERIFY(html.find("&lt;c&gt;") != std::string::npos && html.find("<c>") == std::string::npos);
        QVERIFY(html.find("<svg id=\"chart\"/>") != std::string::npos &&
                html.find("<!--carried--></body>") != std::string::npos);
        QVERIFY(writeDot(sheet).find("-> p7 [label=\"1: saw to in 1\"]") != std::string::npos);
    }

    /// Every shipped patch comes back exactly from what travels in a sheet; what is broken says so.
    void whatTravelsComesBack() {
        const QDir shipped(QStringLiteral(LARIAT_SOURCE "/data/demo"));
        for (const QString& name : shipped.entryList({QStringLiteral("*.json")})) {
            const Patch patch = demo(name.toStdString());
            const auto bundle = bundleBytes(*gatherBundle(*workspace().housing(patch), patch, dataFolder(), {}));
            QVERIFY(bundle);
            for (const std::string& text : {carriedInHtml(*bundle), "<svg>" + carriedInSvg(*bundle) + "</svg>"}) {
                const auto back = bundleCarried(carriedIn(text));
                QVERIFY2(back, back ? "" : back.error().text().c_str());
                QVERIFY2(back->patch && *back->patch == patch, qPrintable(name));
            }
        }
        const std::string whole = carriedInHtml("PK not really a bundle, but long enough to be cut");
        QVERIFY(!bundleCarried(carriedIn(whole)));
        QVERIFY(!carriedIn(whole.substr(0, whole.size() / 2)));
        QVERIFY(!bundleCarried(carriedIn("<html>nothing</html>")));
        std::string broken = whole;
        broken[broken.find(':') + 5] = '*';
        QVERIFY(!carriedIn(broken));
    }
};

QTEST_APPLESS_MAIN(SheetTest)
#include "sheet_test.moc"
