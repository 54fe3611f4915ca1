// A whole instrument in one module: what was put into a box sounds as it did, and travels alone.
#include "building/box.h"
#include "engine/render.h"
#include "findings/finding.h"
#include "library/check.h"
#include "maker/module_text.h"
#include "measure/measure.h"
#include "model/edit.h"
#include "support/patches.h"

#include <QtTest>

using namespace lariat;

namespace {

const Library& library() {
    return test::workspace().library;
}

/// The patch with those posts in a box, in a library that has it.
struct Boxed {
    Library library;
    Patch patch;
    Box box;
};
Result<Boxed> boxed(const Patch& patch, const std::set<std::string>& posts, const std::string& name = "Crate") {
    auto box = boxOf(patch, library(), posts, name);
    if (!box) return tl::unexpected(box.error());
    Boxed out{library(), {}, *box};
    out.library.add(*resolveModule(box->module));
    auto after = applyEdits(patch, intoBox(patch, library(), posts, *box, "crate-slot"));
    if (!after) return tl::unexpected(after.error());
    out.patch = *after;
    if (auto checked = checkPatch(out.patch, out.library); !checked) return tl::unexpected(checked.error());
    return out;
}

/// Blocks whose randomness hangs on where they stand.
bool isRandom(const ModuleDescription& module) {
    return std::ranges::any_of(module.parts.front().blocks, [](const BlockUse& use) {
        return use.type == "noise" || use.type == "random-source" || use.type == "granular";
    });
}

std::vector<float> heard(const Patch& patch, const Library& library) {
    RenderOptions how;
    how.seconds = 3.0;
    how.engineRate = 48000.0;
    const auto rendering = render(patch, library, how);
    return rendering ? rendering->mix : std::vector<float>();
}

} // namespace

class BoxTest : public QObject {
    Q_OBJECT

  private Q_SLOTS:
    void everyVoiceSoundsInABoxAsItDid_data() {
        QTest::addColumn<QString>("file");
        QTest::addColumn<QString>("voice");
        const auto demos = std::filesystem::path(LARIAT_SOURCE) / "data/demo";
        for (const auto& entry : std::filesystem::directory_iterator(demos)) {
            const std::string file = entry.path().filename().string();
            const Patch patch = test::demo(file);
            std::set<std::string> voices;
            for (const Post& post : patch.posts)
                if (boxable(patch, library(), post.voice).size() > 1) voices.insert(post.voice);
            for (const std::string& voice : voices)
                QTest::newRow((file + " " + voice).c_str())
                    << QString::fromStdString(file) << QString::fromStdString(voice);
        }
    }
    void everyVoiceSoundsInABoxAsItDid() {
        QFETCH(QString, file);
        QFETCH(QString, voice);
        const Patch patch = test::demo(file.toStdString());
        const auto made = boxed(patch, boxable(patch, library(), voice.toStdString()));
        QVERIFY2(made, made ? "" : made.error().text().c_str());
        const auto before = heard(patch, library());
        const auto after = heard(made->patch, made->library);
        QCOMPARE(after.size(), before.size());
        if (!isRandom(made->box.module)) {
            QVERIFY(before == after); // to the last bit
            return;
        }
        const double was = measureLevel(before).rms.value;
        QVERIFY(std::abs(measureLevel(after).rms.value / was - 1.0) < 0.25);
    }

    void scenesAndControllersFollowTheirKnobs() {
        Patch patch = test::demo("night-watch.json");
        patch = *applyEdits(
            patch, {LearnController{{21, "filter", "cutoff"}}, KeepSetting{"A", {{"filter", {{"cutoff", 900.0}}}}}});
        const auto made = boxed(patch, boxable(patch, library(), "Lead"));
        QVERIFY2(made, made ? "" : made.error().text().c_str());
        const std::string id = made->box.knobs.at({"filter", "cutoff"});
        const Post* box = nullptr;
        for (const Post& post : made->patch.posts)
            if (post.module == made->box.module.id) box = &post;
        QVERIFY(box);
        QCOMPARE(made->patch.settings.at("A").at(box->id).at(id), 900.0);
        QCOMPARE(made->patch.controllers.back().post, box->id);
        QCOMPARE(made->patch.controllers.back().knob, id);
        for (const Scene& scene : made->patch.scenes)
            for (const Move& move : scene.moves) QVERIFY(made->patch.post(move.post));
        // And what they play is the same, moves and all.
        RenderOptions how;
        how.seconds = 40.0;
        how.engineRate = 48000.0;
        how.scenes = true;
        const auto before = render(patch, library(), how);
        const auto after = render(made->patch, made->library, how);
        QVERIFY(before && after);
        QVERIFY(before->mix == after->mix);
    }

    void rowsStayWhereTheyWere() {
        const Patch patch = test::demo("lamp.json");
        const auto posts = boxable(patch, library(), "Lead");
        const auto made = boxed(patch, posts);
        QVERIFY(made);
        std::vector<int> wanted;
        for (const Cable& cable : patch.cables)
            if (!posts.contains(cable.from.post) || !posts.contains(cable.to.post)) wanted.push_back(cable.id);
        std::vector<int> is;
        for (const Cable& cable : made->patch.cables) is.push_back(cable.id);
        QCOMPARE(is, wanted);
    }

    void aBoxInABoxIsItsBlocks() {
        const Patch patch = test::demo("lamp.json");
        const auto first = boxed(patch, {"filter", "vca-1"}, "Inner");
        QVERIFY2(first, first ? "" : first.error().text().c_str());
        std::string inner;
        for (const Post& post : first->patch.posts)
            if (post.module == "inner") inner = post.id;
        auto outer = boxOf(first->patch, first->library, {inner, "contour-1"}, "Outer");
        QVERIFY2(outer, outer ? "" : outer.error().text().c_str());
        QCOMPARE(outer->module.parts.front().blocks.size(), std::size_t{3});
        Library all = first->library;
        all.add(*resolveModule(outer->module));
        const auto after =
            applyEdits(first->patch, intoBox(first->patch, first->library, {inner, "contour-1"}, *outer, "there"));
        QVERIFY(after);
        QVERIFY(heard(patch, library()) == heard(*checkPatch(*after, all), all));
        // Nothing of the inner one is needed for it.
        all.remove("inner");
        QVERIFY(checkPatch(*after, all));
    }

    /// What a normal brought behind the panel comes by a cable, and parts that only stand behind it come along.
    void normalsThatCrossThePanelTakeACable() {
        const Patch patch = test::demo("deep-water.json");
        const auto made = boxed(patch, {"whirl-filter"}, "Sieve");
        QVERIFY2(made, made ? "" : made.error().text().c_str());
        QVERIFY(heard(patch, library()) == heard(made->patch, made->library));
    }

    /// What is sound beside its neighbours is sound in a box: the rules see blocks, whichever panel they stand behind.
    void aBoxIsNoMistake_data() {
        QTest::addColumn<QString>("file");
        QTest::addColumn<QString>("voice");
        for (const auto& [file, voice] : {std::pair("lamp.json", "Lead"),
                                          {"lamp.json", "Kick"},
                                          {"night-watch.json", "Kick"},
                                          {"signal-mast.json", "Chords"},
                                          {"bell-buoy.json", "Bell"},
                                          {"deep-water.json", "Chaos"},
                                          {"first-voice.json", "Lead"},
                                          {"envelope-engine.json", "Ball"},
                                          {"tide-clock.json", "Tune"},
                                          {"oscillator-studies.json", "Ring"},
                                          {"low-pass-gate.json", "Pluck"},
                                          {"engine-room.json", "Bus"}})
            QTest::newRow(qPrintable(QString::fromLatin1(file) + QLatin1Char(' ') + QLatin1String(voice)))
                << QString::fromLatin1(file) << QString::fromLatin1(voice);
    }
    void aBoxIsNoMistake() {
        QFETCH(QString, file);
        QFETCH(QString, voice);
        const Patch patch = test::demo(file.toStdString());
        const auto made = boxed(patch, boxable(patch, library(), voice.toStdString()));
        QVERIFY2(made, made ? "" : made.error().text().c_str());
        const auto rules = [](const Patch& checked, const Library& with) {
            std::multiset<std::string> out;
            const auto observed = observe(checked, with, nullptr, 6.0);
            if (observed)
                for (const Finding& finding : everythingIn(*observed)) out.insert(finding.rule);
            return out;
        };
        const auto before = rules(patch, library());
        for (const std::string& rule : rules(made->patch, made->library)) QVERIFY2(before.contains(rule), rule.c_str());
    }

    void itsFileAndItsLinesSayAllOfIt() {
        for (const char* file : {"lamp.json", "deep-water.json", "glowworm.json"}) {
            const Patch patch = test::demo(file);
            for (const std::string voice : {"Lead", "Chaos", "Glow"}) {
                const auto posts = boxable(patch, library(), voice);
                if (posts.empty()) continue;
                const auto box = boxOf(patch, library(), posts, voice + " box");
                QVERIFY(box);
                const auto read = readModule(writeModule(box->module));
                QVERIFY(read);
                QCOMPARE(*read, box->module);
                const ModuleText text = readModuleText(writeModuleText(box->module));
                QVERIFY2(text.module, text.faults.empty() ? "" : text.faults.front().reason.str().c_str());
                QCOMPARE(*text.module, box->module);
            }
        }
    }

    void whatCannotGoInIsSaid_data() {
        QTest::addColumn<QStringList>("posts");
        QTest::addColumn<QString>("name");
        QTest::addColumn<QString>("why");
        QTest::newRow("nothing") << QStringList{} << "Box"
                                 << "nothing was chosen";
        QTest::newRow("not there") << QStringList{"nobody"} << "Box"
                                   << "there is no post";
        QTest::newRow("the way out") << QStringList{"line-out"} << "Box"
                                     << "leads out of the case";
        QTest::newRow("tracks") << QStringList{"tracks", "vca"} << "Box"
                                << "belongs to the patch";
        QTest::newRow("no name") << QStringList{"vca"} << "?!"
                                 << "a name with letters";
    }
    void whatCannotGoInIsSaid() {
        QFETCH(QStringList, posts);
        QFETCH(QString, name);
        QFETCH(QString, why);
        std::set<std::string> chosen;
        for (const QString& post : posts) chosen.insert(post.toStdString());
        const auto box = boxOf(test::demo("lamp.json"), library(), chosen, name.toStdString());
        QVERIFY(!box);
        QVERIFY2(QString::fromStdString(box.error().text()).contains(why), box.error().text().c_str());
    }
};

QTEST_GUILESS_MAIN(BoxTest)
#include "box_test.moc"
