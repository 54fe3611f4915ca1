// Bundles: what goes in comes out elsewhere, and what is no bundle is told apart.
#include "model/file.h"
#include "stock/bundle.h"
#include "stock/case_edits.h"
#include "support/patches.h"

#include <QtTest>

#include <QTemporaryDir>

#include <fstream>

#include <zip.h>

using namespace lariat;
using namespace lariat::test;

namespace {

namespace fs = std::filesystem;

struct Folders {
    QTemporaryDir root;
    [[nodiscard]] fs::path own(const char* name = "own") const { return fs::path(root.path().toStdString()) / name; }
    [[nodiscard]] fs::path file() const { return fs::path(root.path().toStdString()) / "x.lariat-bundle"; }
};

Bundle bundleOf(const Patch& patch, const fs::path& own = {}) {
    auto made = gatherBundle(*workspace().housing(patch), patch, dataFolder(), own);
    if (!made) throw std::runtime_error(made.error().text());
    return *made;
}

/// An archive with these entries.
void zipped(const fs::path& file, const std::vector<std::pair<std::string, std::string>>& entries) {
    int code = 0;
    zip_t* archive = zip_open(file.c_str(), ZIP_CREATE | ZIP_TRUNCATE, &code);
    for (const auto& [name, bytes] : entries)
        zip_file_add(archive, name.c_str(), zip_source_buffer(archive, bytes.data(), bytes.size(), 0),
                     ZIP_FL_OVERWRITE);
    zip_close(archive);
}

const char* kMark = R"({"format": "lariat-bundle", "version": 1})";

} // namespace

class BundleTest : public QObject {
    Q_OBJECT

  private Q_SLOTS:
    void aBundleOpensElsewhere() {
        Folders f;
        // A case of one's own, so that it is not there elsewhere.
        Patch patch = demo("snare-and-hats.json");
        Case housing = *workspace().housing(patch);
        housing.id = "boat";
        housing.name = "Boat";
        patch.caseId = "boat";
        auto made = gatherBundle(housing, patch, dataFolder(), {});
        QVERIFY(made);
        QVERIFY(!made->samples.empty()); // the rattle
        QVERIFY(writeBundle(*made, f.file()));
        QVERIFY(kindOf(f.file()) == FileKind::Document);
        const auto read = readBundle(f.file());
        QVERIFY2(read, read ? "" : read.error().text().c_str());
        QCOMPARE(read->housing, housing);
        QCOMPARE(*read->patch, patch);
        QCOMPARE(read->modules, made->modules);
        const auto unpacked = unpackBundle(*read, dataFolder(), f.own());
        QVERIFY2(unpacked, unpacked ? "" : unpacked.error().text().c_str());
        QCOMPARE(unpacked->caseId, std::string("boat"));
        QVERIFY(unpacked->renamed.empty());
        // Modules and recordings that are shipped are there already.
        QCOMPARE(unpacked->written.size(), std::size_t{1});
        const Workspace there = loadWorkspace(dataFolder(), f.own());
        QVERIFY(there.errors.empty());
        QCOMPARE(there.cases.at("boat"), housing);
        QCOMPARE(*unpacked->patch, patch);
        // Once more: everything is there and the same.
        const auto again = unpackBundle(*read, dataFolder(), f.own());
        QVERIFY(again && again->written.empty() && again->renamed.empty());
    }

    /// Modules, recordings and cases of one name that are not the same: nothing is written over.
    void whatIsDifferentGetsAnotherName() {
        Folders f;
        const Patch patch = demo("snare-and-hats.json");
        Bundle bundle = bundleOf(patch);
        std::string& text = bundle.modules.at("spray-noise");
        text.replace(text.find("\"hp\": "), 7, "\"hp\": 3");
        bundle.housing.rows = 9;
        bundle.samples.begin()->second += "x";
        const auto unpacked = unpackBundle(bundle, dataFolder(), f.own());
        QVERIFY2(unpacked, unpacked ? "" : unpacked.error().text().c_str());
        QCOMPARE(unpacked->renamed.size(), std::size_t{3});
        QCOMPARE(unpacked->caseId, std::string("tower-case-2"));
        const Workspace there = loadWorkspace(dataFolder(), f.own());
        QCOMPARE(there.library.module("spray-noise")->description.hp,
                 workspace().library.module("spray-noise")->description.hp);
        QVERIFY(there.library.module("spray-noise-2"));
        const auto noise = std::ranges::find(unpacked->patch->posts, std::string("spray-noise-2"), &Post::module);
        QVERIFY(noise != unpacked->patch->posts.end());
        QVERIFY(
            std::ranges::any_of(unpacked->patch->posts, [](const Post& post) { return post.sample == "rattle-2"; }));
    }

    void whatIsNoBundleIsTold() {
        Folders f;
        const auto why = [&](const std::vector<std::pair<std::string, std::string>>& entries) {
            zipped(f.file(), entries);
            const auto read = readBundle(f.file());
            return read ? std::string("read") : read.error().text();
        };
        const std::string housing = writeCase(*newCase("Empty", 1, 84, {}));
        QCOMPARE(why({{"bundle.json", kMark}, {"case.json", housing}}), std::string("read"));
        QVERIFY(why({{"case.json", housing}}).find("lacks its case or says not") != std::string::npos);
        QVERIFY(why({{"bundle.json", kMark}}).find("lacks its case") != std::string::npos);
        QVERIFY(why({{"bundle.json", kMark}, {"case.json", "{"}}).find("case.json") != std::string::npos);
        QVERIFY(
            why({{"bundle.json", kMark}, {"case.json", housing}, {"../evil.json", "x"}}).find("no part of a bundle") !=
            std::string::npos);
        QVERIFY(why({{"bundle.json", kMark}, {"case.json", housing}, {"modules/../../evil.json", "x"}})
                    .find("none of a bundle") != std::string::npos);
        QVERIFY(why({{"bundle.json", kMark}, {"case.json", housing}, {"run.sh", "x"}}).find("no part of a bundle") !=
                std::string::npos);
        QVERIFY(
            why({{"bundle.json", kMark}, {"case.json", housing}, {"modules/m.json", "{}"}}).find("modules/m.json") !=
            std::string::npos);
        QVERIFY(why({{"bundle.json", R"({"format": "lariat-bundle", "version": 9})"}, {"case.json", housing}}) !=
                "read");
        QVERIFY(why({{"bundle.json", kMark}, {"case.json", writeCase(workspace().cases.at("keepers-case"))}})
                    .find("lacks the module") != std::string::npos);
        // A bomb: far more than its file says.
        QVERIFY(why({{"bundle.json", kMark}, {"case.json", housing}, {"samples/a.wav", std::string(20u << 20, '\0')}})
                    .find("too large") != std::string::npos);
        QVERIFY(writeFile(f.file(), "{\"lariat-x\"}", FileKind::Document));
        QVERIFY(readBundle(f.file()).error().text().find("no bundle") != std::string::npos);
        QVERIFY(!readBundle(f.own()));
        // A damaged one.
        Folders g;
        QVERIFY(writeBundle(bundleOf(lamp()), g.file()));
        std::string bytes = *readFile(g.file());
        for (std::size_t cut = bytes.size() / 7; cut < bytes.size(); cut += bytes.size() / 7) {
            std::string broken = bytes;
            broken[cut] = static_cast<char>(broken[cut] ^ 0x55);
            std::ofstream(g.file(), std::ios::binary) << broken;
            const auto read = readBundle(g.file());
            if (!read) QVERIFY(!read.error().reason.empty());
        }
    }

    /// If its end cannot be written, nothing of it stays.
    void allOrNothing() {
        Folders f;
        Patch patch = lamp();
        Case housing = *workspace().housing(patch);
        housing.id = "boat";
        patch.caseId = "boat";
        patch.posts.front().knobs["no-such-knob"] = 1.0; // found out last
        Bundle bundle = *gatherBundle(housing, patch, dataFolder(), {});
        QVERIFY(!unpackBundle(bundle, dataFolder(), f.own()));
        QVERIFY(!fs::exists(f.own() / "cases" / "boat.json"));
        QVERIFY(!unpackBundle(bundle, dataFolder(), {}));
    }
};

QTEST_APPLESS_MAIN(BundleTest)
#include "bundle_test.moc"
