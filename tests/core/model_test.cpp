// The documents: what is written is read back, nothing unknown is lost, and bad input is told apart.
#include "building/capacity.h"
#include "library/check.h"
#include "model/audio_file.h"
#include "model/case.h"
#include "model/edit.h"
#include "model/json.h"
#include "support/patches.h"

#include <QtTest>

#include <QTemporaryDir>

#include <fstream>
#include <limits>
#include <sys/stat.h>

using namespace lariat;
using namespace lariat::test;

namespace {

Json lampJson() {
    return Json::parse(writePatch(lamp()));
}

Result<Patch> readBack(const Json& document) {
    return readPatch(document.dump()).and_then([](Patch patch) {
        return checkPatch(std::move(patch), workspace().library);
    });
}

/// One way to spoil the demo, and what the message has to name.
struct Spoilt {
    const char* name;
    void (*spoil)(Json&);
    const char* path;
    const char* reason;
};

const Spoilt kSpoilt[] = {
    {"no format", [](Json& d) { d.erase("format"); }, "format", "lariat-patch"},
    {"other format", [](Json& d) { d["format"] = "lariat-case"; }, "format", "lariat-patch"},
    {"newer version", [](Json& d) { d["version"] = 99; }, "version", "newer"},
    {"version as text", [](Json& d) { d["version"] = "one"; }, "version", "whole number"},
    {"no title", [](Json& d) { d.erase("title"); }, "title", "missing"},
    {"title is a number", [](Json& d) { d["title"] = 3; }, "title", "expected a text"},
    {"posts is no list", [](Json& d) { d["posts"] = 3; }, "posts", "expected a list"},
    {"post is a text", [](Json& d) { d["posts"][0] = "clock"; }, "posts/1", "expected an object"},
    {"unknown module", [](Json& d) { d["posts"][2]["module"] = "gone"; }, "posts/3/module", "no module \"gone\""},
    {"unknown part", [](Json& d) { d["posts"][2]["part"] = "9"; }, "posts/3/part", "no part"},
    {"unknown knob", [](Json& d) { d["posts"][2]["knobs"]["sheen"] = 1; }, "posts/3/knobs/sheen", "no knob"},
    {"knob out of range", [](Json& d) { d["posts"][2]["knobs"]["sustain"] = 1e6; }, "posts/3/knobs/sustain", "outside"},
    {"knob is a text", [](Json& d) { d["posts"][2]["knobs"]["sustain"] = "high"; }, "posts/3/knobs/sustain",
     "\"high\" is none of its values"},
    {"knob is null, as NaN is written", [](Json& d) { d["posts"][2]["knobs"]["sustain"] = nullptr; },
     "posts/3/knobs/sustain", "expected a number"},
    {"post twice", [](Json& d) { d["posts"][1]["id"] = "clock"; }, "posts/2/id", "another post"},
    {"part used twice", [](Json& d) { d["posts"][3]["part"] = "1"; }, "posts/4", "in use already"},
    {"bad id", [](Json& d) { d["posts"][0]["id"] = "Clock!"; }, "posts/1/id", "lower-case"},
    {"cable to nowhere", [](Json& d) { d["cables"][0]["to"] = "moon.in"; }, "cables/1/to", "no post \"moon\""},
    {"cable to no jack", [](Json& d) { d["cables"][0]["to"] = "filter.in-9"; }, "cables/1/to", "no jack \"in-9\""},
    {"cable from an input", [](Json& d) { d["cables"][0]["from"] = "filter.in-2"; }, "cables/1/from", "is an input"},
    {"cable into an output", [](Json& d) { d["cables"][0]["to"] = "filter.low"; }, "cables/1/to", "is an output"},
    {"cable without a dot", [](Json& d) { d["cables"][0]["from"] = "filter"; }, "cables/1/from", "post.jack"},
    {"two plugs in one jack", [](Json& d) { d["cables"][1]["to"] = d["cables"][0]["to"]; }, "cables/2/to",
     "plug already"},
    {"cable number twice", [](Json& d) { d["cables"][1]["id"] = 1; }, "cables/2/id", "another cable"},
    {"cable number zero", [](Json& d) { d["cables"][1]["id"] = 0; }, "cables/2/id", "outside"},
    {"cable number is a fraction", [](Json& d) { d["cables"][1]["id"] = 1.5; }, "cables/2/id", "whole number"},
    {"pattern of a filter", [](Json& d) { d["patterns"][0]["post"] = "filter"; }, "patterns/1/post", "not a sequencer"},
    {"step is no note", [](Json& d) { d["patterns"][0]["tracks"][0]["steps"][1] = "H9"; },
     "patterns/1/tracks/1/steps/2", "not a step"},
    {"gate of a step", [](Json& d) { d["patterns"][0]["tracks"][0]["steps"][1] = "D3 7"; },
     "patterns/1/tracks/1/steps/2", "gate"},
    {"no steps", [](Json& d) { d["patterns"][0]["tracks"][0]["steps"] = Json::array(); }, "patterns/1/tracks/1/steps",
     "0 steps"},
    {"65 steps", [](Json& d) { d["patterns"][0]["tracks"][0]["steps"] = std::vector<std::string>(65, "-"); },
     "patterns/1/tracks/1/steps", "65 steps"},
    {"hits", [](Json& d) { d["patterns"][0]["lanes"][0]["hits"] = "x..y"; }, "patterns/1/lanes/1/hits",
     "x, X, ., ? and spaces"},
    {"too many cables", [](Json& d) { d["cables"] = std::vector<Json>(10'001, d["cables"][0]); }, "cables",
     "10001 entries"},
};

} // namespace

class ModelTest : public QObject {
    Q_OBJECT

  private Q_SLOTS:
    void whatIsWrittenIsReadBack() {
        const Patch patch = lamp();
        const auto again = readPatch(writePatch(patch));
        QVERIFY(again);
        QVERIFY(*again == patch);
        QCOMPARE(writePatch(*again), writePatch(patch));
    }

    void unknownKeysSurvive() {
        Json document = lampJson();
        document["mood"] = "foggy";
        document["posts"][0]["sticker"] = {{"colour", "red"}};
        document["cables"][3]["borrowed-from"] = "Ines";
        const auto patch = readPatch(document.dump());
        QVERIFY(patch);
        const Json again = Json::parse(writePatch(*patch));
        QCOMPARE(again["mood"].get<std::string>(), std::string("foggy"));
        QCOMPARE(again["posts"][0]["sticker"]["colour"].get<std::string>(), std::string("red"));
        QCOMPARE(again["cables"][3]["borrowed-from"].get<std::string>(), std::string("Ines"));
    }

    /// Knobs may be written as one would type them, and every switch by its words.
    void knobsAreReadInWords() {
        Json document = lampJson();
        document["posts"][2]["knobs"] = {{"sustain", "12:00"}};
        const auto read = readPatch(document.dump());
        QVERIFY(read);
        QCOMPARE(Json::parse(writePatch(*read))["posts"][2]["knobs"]["sustain"].get<std::string>(),
                 std::string("12:00"));
        const auto set = checkPatch(*read, workspace().library);
        QVERIFY(set && set->posts[2].spoken.empty());
        QCOMPARE(set->posts[2].knobs.at("sustain"), 50.0);
        int words = 0;
        for (const auto& [id, module] : workspace().library.modules())
            for (const PartInfo& part : module.parts)
                for (const KnobInfo& knob : part.knobs)
                    for (std::size_t n = 0;
                         knob.scale.taper == Taper::Switch && !knob.momentary && n < knob.scale.words.size(); ++n) {
                        Patch patch;
                        patch.posts = {{.id = "one",
                                        .name = "one",
                                        .slot = "one",
                                        .module = id,
                                        .part = part.id,
                                        .voice = "",
                                        .knobs = {}}};
                        patch.posts[0].spoken[knob.id] = knob.scale.words[n];
                        const auto turned = checkPatch(patch, workspace().library);
                        QVERIFY2(turned, turned ? "" : turned.error().text().c_str());
                        QCOMPARE(turned->posts[0].knobs.at(knob.id), static_cast<double>(n));
                        ++words;
                    }
        QVERIFY(words > 200);
    }

    void stepsKeepTheirParts() {
        Json document = lampJson();
        document["patterns"][0]["tracks"][0]["steps"] = {"D3", "F♯3! 0.25", "=", "-", "B♭-1 1"};
        const auto patch = readBack(document);
        QVERIFY(patch);
        const auto& steps = patch->patterns[0]->tracks[0].steps;
        QVERIFY(steps[1].accent && steps[1].gate == 0.25 && steps[1].note == 54);
        QCOMPARE(steps[2].kind, Step::Kind::Tie);
        QCOMPARE(steps[3].kind, Step::Kind::Rest);
        QCOMPARE(steps[4].note, 10);
        QVERIFY(*readPatch(writePatch(*patch)) == *patch);
    }

    void badPatchesAreExplained_data() {
        QTest::addColumn<int>("index");
        for (int i = 0; i < static_cast<int>(std::size(kSpoilt)); ++i) QTest::newRow(kSpoilt[i].name) << i;
    }
    void badPatchesAreExplained() {
        QFETCH(int, index);
        const Spoilt& spoilt = kSpoilt[index];
        Json document = lampJson();
        spoilt.spoil(document);
        const auto read = readBack(document);
        QVERIFY(!read);
        QCOMPARE(QString::fromStdString(read.error().path), QString::fromUtf8(spoilt.path));
        QVERIFY2(read.error().reason.str().find(spoilt.reason) != std::string::npos, read.error().reason.str().c_str());
    }

    void damagedBytesAreExplained_data() {
        QTest::addColumn<QByteArray>("bytes");
        const QByteArray whole = QByteArray::fromStdString(writePatch(lamp()));
        QTest::newRow("empty") << QByteArray();
        QTest::newRow("truncated") << whole.left(whole.size() / 2);
        QTest::newRow("one brace short") << whole.left(whole.size() - 2);
        QTest::newRow("a list") << QByteArray("[1, 2]");
        QTest::newRow("binary") << QByteArray("\x00\xff\xfe\x01", 4);
        QTest::newRow("NaN") << QByteArray("{\"format\": \"lariat-patch\", \"version\": NaN}");
        QTest::newRow("huge number") << QByteArray("{\"format\": \"lariat-patch\", \"version\": 1e999}");
        QTest::newRow("deep") << QByteArray(100'000, '[');
        QTest::newRow("deep objects") << QByteArray("{\"a\":").repeated(50'000);
        QTest::newRow("bad UTF-8") << QByteArray("{\"format\": \"\xc3\x28\"}");
    }
    void damagedBytesAreExplained() {
        QFETCH(QByteArray, bytes);
        const auto read = readPatch(bytes.toStdString());
        QVERIFY(!read);
        QVERIFY(!read.error().reason.empty());
        QVERIFY2(read.error().reason.str().size() < 400, read.error().reason.str().c_str());
    }

    void everyTruncationIsSurvived() {
        const std::string whole = writePatch(lamp());
        for (std::size_t length = 0; length + 2 < whole.size(); length += 37)
            QVERIFY(!readPatch(std::string_view(whole).substr(0, length)));
    }

    void filesAreNamedInErrors() {
        const auto missing = openPatch("/no/such/patch.json", workspace().library);
        QVERIFY(!missing);
        QVERIFY(missing.error().text().find("/no/such/patch.json") == 0);
        QTemporaryDir folder;
        const auto directory = openPatch(folder.path().toStdString(), workspace().library);
        QVERIFY(!directory && directory.error().reason.str().find("folder") != std::string::npos);
    }

    void aHundredMegabytesAreRefusedUnread() {
        QTemporaryDir folder;
        const std::string file = folder.filePath(QStringLiteral("large.json")).toStdString();
        std::ofstream(file) << "{";
        std::filesystem::resize_file(file, 100'000'000);
        const auto read = openPatch(file, workspace().library);
        QVERIFY(!read);
        QVERIFY2(read.error().reason.str().find("100.0 MB") != std::string::npos, read.error().reason.str().c_str());
    }

    void savingReplacesWholeFiles() {
        QTemporaryDir folder;
        const std::string file = folder.filePath(QStringLiteral("a.json")).toStdString();
        QVERIFY(writeFile(file, "first", FileKind::Text));
        QVERIFY(writeFile(file, "second", FileKind::Text));
        QCOMPARE(*readFile(file), std::string("second"));
        QCOMPARE(QDir(folder.path()).entryList(QDir::Files).size(), 1); // no leftovers
    }

    /// One writer for every file: links and modes stay, nothing of another kind is written over, nothing is left
    /// behind.
    void savingLeavesWhatIsThere() {
        QTemporaryDir folder;
        const auto in = [&](const char* name) {
            return std::filesystem::path(folder.filePath(QLatin1String(name)).toStdString());
        };
        // A link stays a link, and what it leads to keeps its mode.
        QVERIFY(writeFile(in("real.txt"), "old", FileKind::Text));
        std::filesystem::permissions(in("real.txt"),
                                     std::filesystem::perms::owner_read | std::filesystem::perms::owner_write);
        std::filesystem::create_symlink("real.txt", in("link.txt"));
        QVERIFY(writeFile(in("link.txt"), "new", FileKind::Text));
        QVERIFY(std::filesystem::is_symlink(in("link.txt")));
        QCOMPARE(*readFile(in("real.txt")), std::string("new"));
        QCOMPARE(static_cast<int>(std::filesystem::status(in("real.txt")).permissions()), 0600);
        // Somebody's ".part" is theirs, also where it is a link to something precious.
        QVERIFY(writeFile(in("precious"), "precious", FileKind::Text));
        std::filesystem::create_symlink("precious", in("real.txt.part"));
        QVERIFY(writeFile(in("real.txt"), "newer", FileKind::Text));
        QCOMPARE(*readFile(in("precious")), std::string("precious"));
        // No folder, pipe or device turns into a file.
        QCOMPARE(::mkfifo(in("pipe").c_str(), 0600), 0);
        for (const std::filesystem::path& no :
             {in("pipe"), std::filesystem::path(folder.path().toStdString()), std::filesystem::path("/dev/null")}) {
            const auto written = writeFile(no, "text", FileKind::Text);
            QVERIFY(!written && !written.error().reason.empty());
        }
        QVERIFY(std::filesystem::is_fifo(in("pipe")));
        QVERIFY(!readAudio(in("pipe"))); // nor does anyone wait for what comes out of it
        QVERIFY(!readFile(in("pipe")));
        // A patch never turns into sound or text, nor sound into a patch.
        QVERIFY(writeFile(in("a.json"), writePatch(lamp()), FileKind::Patch));
        QVERIFY(!writeWav(in("a.json"), std::vector<float>(10), 1, 48000));
        QVERIFY(!writeFile(in("a.json"), "# Sheet", FileKind::Text));
        QVERIFY(openPatch(in("a.json"), workspace().library));
        QVERIFY(writeWav(in("a.wav"), std::vector<float>(10), 1, 48000));
        QVERIFY(writeWav(in("a.wav"), std::vector<float>(20), 1, 48000));
        QVERIFY(!writeFile(in("a.wav"), writePatch(lamp()), FileKind::Patch));
        QVERIFY(!writeFile("", "text", FileKind::Text));
        QCOMPARE(QDir(folder.path()).entryList({QStringLiteral(".lariat-*")}, QDir::Files | QDir::Hidden).size(), 0);
    }

    /// Whatever an edit or a move makes, it can be written and read again.
    void idsStayWithinTheirLimits() {
        Patch patch = lamp();
        patch.cables.back().id = std::numeric_limits<int>::max() - 1;
        const int id = patch.freshCableId();
        QVERIFY(id > 0 && !patch.cable(id));
        const auto tied =
            applyEdit(patch, TieCable{{0, jackRef("lfo.sine"), jackRef("osc-a.pwm"), "", "", "", 0, "", {}}, 0});
        QVERIFY(tied && readBack(Json::parse(writePatch(*tied))));
        QVERIFY(applyEdit(*tied, TieCable{{0, jackRef("lfo.saw"), jackRef("filter.in-2"), "", "", "", 0, "", {}}, 0}));
        Slot slot{std::string(64, 's'), "ballast-vcas", 1, 1};
        const ModuleInfo* module = workspace().library.module("ballast-vcas");
        Patch grown = patch;
        for (int n = 0; n < 3; ++n) {
            const Post post = postFor(grown, {&slot, module, &module->parts[0]});
            QVERIFY(post.id.size() <= 64 && !grown.post(post.id));
            grown.posts.push_back(post);
            grown.posts.back().slot = "s" + std::to_string(n);
        }
        grown.cables.back().id = 1000;
        QVERIFY(readBack(Json::parse(writePatch(grown))));
    }

    void controlCharactersAreRefused() {
        Json document = lampJson();
        document["title"] = "Lamp\x1b[2J";
        const auto read = readPatch(document.dump());
        QVERIFY(!read && read.error().path == "title");
    }

    void aFailedSaveLeavesTheOldFile() {
        const auto written = writeFile("/no/such/folder/a.json", "text", FileKind::Text);
        QVERIFY(!written);
        QVERIFY(written.error().text().find("untouched") != std::string::npos);
    }

    void editsApply() {
        Patch patch = lamp();
        const auto apply = [&](const Edit& edit) {
            const auto next = applyEdit(patch, edit);
            if (!next) QFAIL(next.error().text().c_str());
            patch = *next;
        };
        apply(RemoveCable{13});
        QCOMPARE(patch.cables.size(), std::size_t{20});
        apply(TieCable{{0, jackRef("lfo.sine"), jackRef("filter.cv-1"), "Lead", "move", "", 0, "", {}}, 3});
        QCOMPARE(patch.cables[2].from.text(), std::string("lfo.sine"));
        const int fresh = patch.cables[2].id;
        QCOMPARE(patch.row(fresh), 3);
        apply(ReorderCable{fresh, 20});
        QCOMPARE(patch.row(fresh), 20);
        apply(MoveCable{fresh, jackRef("lfo.saw"), jackRef("filter.res-cv")});
        QCOMPARE(patch.cable(fresh)->to.text(), std::string("filter.res-cv"));
        apply(RegroupCable{fresh, "Kick", "late"});
        QCOMPARE(patch.cable(fresh)->voice, std::string("Kick"));
        apply(DescribeCable{fresh, "goes round the back", 80, "black"});
        QCOMPARE(patch.cable(fresh)->note, std::string("goes round the back"));
        QCOMPARE(patch.cable(fresh)->lengthCm, 80);
        apply(SetKnob{"filter", "cutoff", 300});
        QCOMPARE(patch.post("filter")->knobs.at("cutoff"), 300.0);
        apply(ReorderPost{"line-out", 0});
        QCOMPARE(patch.posts.front().id, std::string("line-out"));
        apply(SetTitle{"Lamp two"});
        QCOMPARE(patch.title, std::string("Lamp two"));
        apply(SetPattern{Pattern{"tracks", {}, {{"d", test::hits("x")}}}});
        QCOMPARE(patch.patterns.front()->lanes.size(), std::size_t{1});
        apply(RemovePost{"tracks"});
        QVERIFY(patch.patterns.empty());
        QVERIFY(std::ranges::none_of(patch.cables,
                                     [](const Cable& c) { return c.from.post == "tracks" || c.to.post == "tracks"; }));
        QVERIFY(checkPatch(patch, workspace().library));
    }

    void editsThatDoNotApplyChangeNothing() {
        const Patch patch = lamp();
        const std::vector<Edit> bad = {
            RemoveCable{99},
            TieCable{{0, jackRef("lfo.sine"), jackRef("filter.in-1"), {}, {}, {}, 0, {}, {}}, 0},
            TieCable{{0, jackRef("moon.sine"), jackRef("filter.in-2"), {}, {}, {}, 0, {}, {}}, 0},
            MoveCable{99, jackRef("lfo.sine"), jackRef("filter.in-2")},
            SetKnob{"moon", "cutoff", 1},
            RemovePost{"moon"},
            ReorderPost{"moon", 1},
            ReorderCable{99, 1},
            AddPost{*patch.post("filter")}};
        for (const Edit& edit : bad) {
            const auto next = applyEdits(patch, {SetTitle{"half"}, edit});
            QVERIFY2(!next, std::to_string(edit.index()).c_str());
            QVERIFY(!next.error().reason.empty());
        }
        QCOMPARE(patch.title, std::string("Lamp"));
    }

    void casesAreRead() {
        const Case& housing = workspace().cases.at("keepers-case");
        QCOMPARE(housing.rows * housing.hpPerRow, 208);
        QCOMPARE(housing.cableCount(), 34);
        QVERIFY(housing.slot("keel"));
        QVERIFY(!readCase(
            R"({"format": "lariat-case", "version": 1, "id": "c", "name": "C", "rows": 0, "hp-per-row": 84, "supply": {}})"));
    }
};

QTEST_APPLESS_MAIN(ModelTest)
#include "model_test.moc"
