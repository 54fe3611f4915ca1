// Modules: every shipped one loads, patches and runs; descriptions that cannot be are refused by name.
#include "engine/render.h"
#include "library/check.h"
#include "library/reach.h"
#include "measure/measure.h"
#include "model/json.h"
#include "support/patches.h"

#include <QtTest>

#include <QTemporaryDir>

#include <fstream>

using namespace lariat;
using namespace lariat::test;

namespace {

/// A module of one part, with something changed.
Json plainModule() {
    return Json::parse(
        R"({"format": "lariat-module", "version": 1, "id": "m", "name": "M", "hp": 8, "current": {"plus12": 10, "minus12": 10},
        "parts": [{"id": "a", "name": "A",
                   "blocks": [{"id": "osc", "type": "vco", "fixed": {"octave": 3}}, {"id": "amp", "type": "vca"}],
                   "wires": [{"from": "osc.saw", "to": "amp.in"}],
                   "jacks": [{"id": "pitch", "name": "1v/oct", "at": "osc.voct"}, {"id": "gain", "name": "gain", "at": "amp.lin-cv"}, {"id": "out", "name": "out", "at": "amp.out"}],
                   "knobs": [{"id": "tune", "name": "Tune", "at": "osc.fine"}, {"id": "open", "name": "Open", "at": "amp.offset", "initial": 40}],
                   "main": ["tune"]}]})");
}

Result<ModuleInfo> resolved(const Json& document) {
    return readModule(document.dump()).and_then(resolveModule);
}

struct Spoilt {
    const char* name;
    void (*spoil)(Json&);
    const char* reason;
};

const Spoilt kSpoilt[] = {
    {"no such block", [](Json& d) { d["parts"][0]["blocks"][0]["type"] = "organ"; }, "no block \"organ\""},
    {"block twice", [](Json& d) { d["parts"][0]["blocks"][1]["id"] = "osc"; }, "named twice"},
    {"no such control",
     [](Json& d) {
         d["parts"][0]["blocks"][0]["fixed"] = {{"sheen", 1}};
     },
     "no control \"sheen\""},
    {"fixed out of range",
     [](Json& d) {
         d["parts"][0]["blocks"][0]["fixed"] = {{"octave", 40}};
     },
     "outside"},
    {"wire from an input", [](Json& d) { d["parts"][0]["wires"][0]["from"] = "osc.voct"; }, "not an output"},
    {"wire to nowhere", [](Json& d) { d["parts"][0]["wires"][0]["to"] = "amp.ear"; }, "not an input"},
    {"range turned round",
     [](Json& d) {
         d["parts"][0]["knobs"][0]["range"] = {{"min", 5}, {"max", -5}};
     },
     "turned round"},
    {"range beyond the control's",
     [](Json& d) {
         d["parts"][0]["knobs"][0]["range"] = {{"min", -99}, {"max", 5}};
     },
     "goes beyond"},
    {"jack range turned round",
     [](Json& d) {
         d["parts"][0]["jacks"][0]["range"] = {{"min", 5}, {"max", 5}};
     },
     "turned round"},
    {"a gain of nothing", [](Json& d) { d["parts"][0]["jacks"][0]["gain"] = 0; }, "lets nothing through"},
    {"right side of a jack", [](Json& d) { d["parts"][0]["jacks"][2]["right"] = "amp.in"; }, "right side"},
    {"meaning by no jack",
     [](Json& d) {
         d["parts"][0]["knobs"][0]["meanings"] = Json::array({{{"when-plugged", "ear"}}});
     },
     "no input \"ear\""},
    {"meaning by no switch",
     [](Json& d) {
         d["parts"][0]["knobs"][0]["meanings"] = Json::array({{{"in-mode", {{"knob", "tune"}, {"is", "on"}}}}});
     },
     "no switch"},
    {"meaning without a cause",
     [](Json& d) {
         d["parts"][0]["knobs"][0]["meanings"] = Json::array({{{"name", "Other"}}});
     },
     "names no switch"},
    {"jack twice", [](Json& d) { d["parts"][0]["jacks"][1]["id"] = "pitch"; }, "stands twice"},
    {"no such jack", [](Json& d) { d["parts"][0]["jacks"][1]["at"] = "amp.ear"; }, "no jack \"ear\""},
    {"no such block in a jack", [](Json& d) { d["parts"][0]["jacks"][1]["at"] = "horn.in"; }, "no block \"horn\""},
    {"knob twice", [](Json& d) { d["parts"][0]["knobs"][1]["id"] = "tune"; }, "stands twice"},
    {"no such knob", [](Json& d) { d["parts"][0]["knobs"][1]["at"] = "amp.sheen"; }, "no control"},
    {"initial out of range", [](Json& d) { d["parts"][0]["knobs"][1]["initial"] = 400; }, "outside"},
    {"main without knob", [](Json& d) { d["parts"][0]["main"] = {"sheen"}; }, "no knob"},
    {"normal into an output",
     [](Json& d) {
         d["parts"][0]["normals"] = {{"out", "a.pitch"}};
     },
     "not an input"},
    {"normal from nowhere",
     [](Json& d) {
         d["parts"][0]["normals"] = {{"gain", "b.pitch"}};
     },
     "does not exist"},
    {"normals in a circle",
     [](Json& d) {
         d["parts"][0]["normals"] = {{"gain", "a.pitch"}, {"pitch", "a.gain"}};
     },
     "circle"},
    {"no parts", [](Json& d) { d["parts"] = Json::array(); }, "at least one part"},
    {"no blocks", [](Json& d) { d["parts"][0]["blocks"] = Json::array(); }, "at least one block"},
    {"no width", [](Json& d) { d.erase("hp"); }, "missing"},
};

} // namespace

class LibraryTest : public QObject {
    Q_OBJECT

  private Q_SLOTS:
    void everythingShippedLoads() {
        for (const Error& error : workspace().errors) QFAIL(error.text().c_str());
        QVERIFY(workspace().library.modules().size() >= 13);
    }

    void everyShippedModuleRuns_data() {
        QTest::addColumn<QString>("id");
        for (const auto& [id, module] : workspace().library.modules())
            QTest::newRow(id.c_str()) << QString::fromStdString(id);
    }
    /// Each part alone: a clock and a tone into every input, every output recorded.
    void everyShippedModuleRuns() {
        QFETCH(QString, id);
        const ModuleInfo& module = *workspace().library.module(id.toStdString());
        Patch patch;
        patch.caseId = "keepers-case";
        RenderOptions options;
        options.seconds = 0.3;
        const auto add = [&](const std::string& post, const std::string& moduleId, const std::string& part) {
            patch.posts.push_back({post, post, "slot-" + post, moduleId, part, {}, {}, {}});
        };
        add("the-clock", "beacon-clock", "clock");
        add("the-osc", "anchor-vco", "osc");
        for (const PartInfo& part : module.parts) {
            const std::string post = "p-" + part.id;
            patch.posts.push_back({post, post, "tested", id.toStdString(), part.id, {}, {}, {}});
            for (const JackInfo& jack : part.jacks) {
                if (jack.output)
                    options.probes.push_back({post, jack.id});
                else
                    patch.cables.push_back({patch.freshCableId(),
                                            jackRef(jack.kind == SignalKind::Gate || jack.kind == SignalKind::Clock
                                                        ? "the-clock.sixteenths"
                                                        : "the-osc.sine"),
                                            {post, jack.id},
                                            {},
                                            {},
                                            {},
                                            0,
                                            {},
                                            {}});
            }
        }
        const auto checked = checkPatch(patch, workspace().library);
        QVERIFY2(checked, checked ? "" : checked.error().text().c_str());
        const auto made = render(*checked, workspace().library, options);
        QVERIFY(made);
        QCOMPARE(made->faults, std::uint64_t{0});
        for (const auto& [jack, volts] : made->probes)
            QVERIFY2(measureLevel(volts).peak().value <= 11.5, jack.text().c_str());
    }

    void blocksInsideAPartAreWired() {
        const auto module = resolved(plainModule());
        QVERIFY2(module, module ? "" : module.error().text().c_str());
        Library library;
        for (const auto& [id, shipped] : workspace().library.modules()) library.add(shipped);
        library.add(*module);
        Patch patch;
        patch.caseId = "c";
        patch.posts.push_back({"v", "V", "s", "m", "a", {}, {{"open", 100.0}}, {}});
        patch.posts.push_back({"out", "Out", "o", "harbour-out", "out", {}, {{"level", 0.0}}, {}});
        patch.cables.push_back({1, jackRef("v.out"), jackRef("out.left"), {}, {}, {}, 0, {}, {}});
        const auto made = render(*checkPatch(patch, library), library, {.seconds = 0.5, .probes = {}, .progress = {}});
        QVERIFY(made);
        const auto pitch = measurePitch(std::span(made->left).last(24000), 96000.0);
        QVERIFY(pitch && std::abs(pitch->hertz.value - 130.8128) < 0.01); // octave C3, fixed inside
        // The knob that is not on the panel keeps its fixed value; the one that is has the panel's word.
        QVERIFY(library.module("m")->parts[0].knob("octave") == nullptr);
        QCOMPARE(library.module("m")->parts[0].knob("open")->name, std::string("Open"));
    }

    void aPartOfOneBlockShowsAllOfIt() {
        const PartInfo& part = workspace().library.module("anchor-vco")->parts.front();
        const BlockType& vco = *findBlockType("vco");
        QCOMPARE(part.jacks.size(), vco.inputs.size() + vco.outputs.size());
        QCOMPARE(part.knobs.size(), vco.controls.size());
        QCOMPARE(part.jack("fm")->amountKnob, std::string("fm-amount"));
    }

    void badModulesAreExplained_data() {
        QTest::addColumn<int>("index");
        for (int i = 0; i < static_cast<int>(std::size(kSpoilt)); ++i) QTest::newRow(kSpoilt[i].name) << i;
    }
    void badModulesAreExplained() {
        QFETCH(int, index);
        Json document = plainModule();
        kSpoilt[index].spoil(document);
        const auto module = resolved(document);
        QVERIFY(!module);
        QVERIFY2(module.error().reason.str().find(kSpoilt[index].reason) != std::string::npos,
                 module.error().text().c_str());
        QVERIFY(!module.error().path.empty());
    }

    void aBadFileLeavesTheRest() {
        QTemporaryDir folder;
        const auto write = [&](const char* name, const std::string& text) {
            std::ofstream(folder.filePath(QString::fromLatin1(name)).toStdString()) << text;
        };
        write("a.json", plainModule().dump());
        write("b.json", "{ not json");
        write("notes.txt", "not read");
        Library library;
        const auto errors = library.load(folder.path().toStdString());
        QCOMPARE(errors.size(), std::size_t{1});
        QVERIFY(errors[0].file.find("b.json") != std::string::npos);
        QVERIFY(library.module("m"));
    }

    void usersModulesReplaceShippedOnes() {
        QTemporaryDir own;
        QDir(own.path()).mkdir(QStringLiteral("modules"));
        Json mine = plainModule();
        mine["id"] = "anchor-vco";
        mine["name"] = "My anchor";
        std::ofstream(own.filePath(QStringLiteral("modules/mine.json")).toStdString()) << mine.dump();
        const Workspace loaded = loadWorkspace(std::filesystem::path(LARIAT_SOURCE) / "data", own.path().toStdString());
        QCOMPARE(loaded.library.module("anchor-vco")->description.name, std::string("My anchor"));
    }

    void casesThatCannotBeAreLeftOut() {
        QTemporaryDir own;
        QDir(own.path()).mkdir(QStringLiteral("cases"));
        const auto write = [&](const char* name, const char* slots) {
            std::ofstream(own.filePath(QString::fromLatin1(name)).toStdString())
                << R"({"format": "lariat-case", "version": 1, "id": "x", "name": "X", "rows": 1, "hp-per-row": 40, "supply": {"plus12": 1, "minus12": 1}, "slots": )"
                << slots << "}";
        };
        write(
            "cases/overlap.json",
            R"([{"id": "a", "module": "anchor-vco", "row": 1, "column": 1}, {"id": "b", "module": "anchor-vco", "row": 1, "column": 9}])");
        write("cases/wide.json", R"([{"id": "a", "module": "anchor-vco", "row": 1, "column": 39}])");
        write("cases/unknown.json", R"([{"id": "a", "module": "gone", "row": 1, "column": 1}])");
        const Workspace loaded = loadWorkspace(std::filesystem::path(LARIAT_SOURCE) / "data", own.path().toStdString());
        QCOMPARE(loaded.errors.size(), std::size_t{3});
        QVERIFY(!loaded.cases.contains("x"));
        QVERIFY(loaded.cases.contains("keepers-case"));
    }

    void aMissingDataFolderSaysHowToGoOn() {
        const Workspace loaded = loadWorkspace("/no/such/folder");
        QCOMPARE(loaded.errors.size(), std::size_t{1});
        QVERIFY(loaded.errors[0].reason.str().find("LARIAT_DATA") != std::string::npos);
    }

    /// Reach is what happens at the target: pitch goes on beyond the dial. One octave is offered as a depth.
    void reachGoesBeyondTheDial() {
        const Patch patch = PatchMaker().post("osc", "keel", "a").knob("osc", "fm-amount", 50).make();
        const PartInfo& part = *workspace().library.part(patch.posts[0]);
        const VoltsAt eight = [](const JackRef& input) -> std::optional<Span> {
            return input.jack == "fm" ? std::optional(Span{0.0, 8.0}) : std::nullopt;
        };
        const KnobInfo* amount = part.knob("fm-amount");
        QVERIFY(amount);
        const KnobInfo* aimed = nullptr;
        for (const KnobInfo& knob : part.knobs)
            if (const auto reach = reachOf(patch.posts[0], part, knob, eight)) {
                aimed = &knob;
                QVERIFY(reach->second > knob.scale.max); // beyond its dial
            }
        QVERIFY(aimed);
        const auto depth = depthForAnOctave(part, *amount, patch.posts[0], eight);
        QVERIFY(depth);
        Post post = patch.posts[0];
        post.knobs["fm-amount"] = *depth;
        const auto reach = reachOf(post, part, *aimed, eight);
        QVERIFY(reach && std::abs(reach->second - reach->first - 12.0) < 1e-6);
        const VoltsAt nothing = [](const JackRef&) { return std::optional(Span{0.0, 0.01}); };
        QVERIFY(!depthForAnOctave(part, *amount, post, nothing));
        QVERIFY(!depthForAnOctave(part, *aimed, post, eight));
    }
};

QTEST_APPLESS_MAIN(LibraryTest)
#include "library_test.moc"
