#include "stock/bundle.h"

#include "library/check.h"
#include "model/file.h"
#include "model/json.h"

#include <algorithm>
#include <memory>
#include <set>

#include <zip.h>

namespace lariat {
namespace fs = std::filesystem;
namespace {

constexpr const char* kMark = "{\"format\": \"lariat-bundle\", \"version\": 1}\n";

/// The file of that name (without its ending) in a folder of the user's data, else of the shipped one.
std::optional<fs::path> findFile(const std::string& folder, const std::string& stem,
                                 const std::vector<std::string>& endings, const fs::path& data, const fs::path& own) {
    std::error_code problem;
    for (const fs::path& root : {own, data})
        for (const std::string& ending : endings)
            if (!root.empty() && fs::is_regular_file(root / folder / (stem + ending), problem))
                return root / folder / (stem + ending);
    return std::nullopt;
}

/// A module's file may have another name than its id.
std::optional<std::string> moduleText(const std::string& id, const fs::path& data, const fs::path& own) {
    std::error_code problem;
    for (const fs::path& root : {own, data}) {
        if (root.empty() || !fs::is_directory(root / "modules", problem)) continue;
        std::vector<fs::path> files;
        if (fs::is_regular_file(root / "modules" / (id + ".json"), problem))
            files.push_back(root / "modules" / (id + ".json"));
        for (const auto& entry : fs::directory_iterator(root / "modules", problem))
            if (entry.path().extension() == ".json") files.push_back(entry.path());
        for (const fs::path& file : files) {
            const auto bytes = readFile(file);
            const auto module = bytes.and_then([](const std::string& text) { return readModule(text); });
            if (module && module->id == id) return *bytes;
        }
    }
    return std::nullopt;
}

struct Closing {
    void operator()(zip_t* archive) const { zip_discard(archive); }
};

bool isName(const std::string& name) {
    return !name.empty() && name.size() <= 120 && name[0] != '.' && name.find_first_of("/\\:") == std::string::npos &&
           std::ranges::none_of(name, [](char c) { return static_cast<unsigned char>(c) < 0x20 || c == 0x7f; });
}

std::string zipProblem(int code) {
    zip_error_t error;
    zip_error_init_with_code(&error, code);
    std::string text = zip_error_strerror(&error);
    zip_error_fini(&error);
    return text;
}

/// Recordings that the patch of a bundle plays, and tunings that it keeps to.
Result<void> gatherMaterial(Bundle& bundle, const fs::path& data, const fs::path& own) {
    if (!bundle.patch) return {};
    for (const Post& post : bundle.patch->posts)
        for (const bool sample : {true, false}) {
            const std::string& name = sample ? post.sample : post.tuning;
            auto& list = sample ? bundle.samples : bundle.tunings;
            if (name.empty()) continue;
            const auto endings = sample ? std::vector<std::string>{".wav", ".flac"} : std::vector<std::string>{".scl"};
            const auto file = findFile(sample ? "samples" : "tunings", name, endings, data, own);
            if (!file) return failure(say("the file of \"{}\" is not there any more", name));
            auto bytes = readFile(*file);
            if (!bytes) return tl::unexpected(bytes.error());
            list[file->filename().string()] = std::move(*bytes);
        }
    return {};
}

} // namespace

Result<Bundle> gatherBundle(const Case& housing, const std::optional<Patch>& patch, const fs::path& data,
                            const fs::path& own) {
    Bundle out{patch, housing, {}, {}, {}};
    for (const Slot& slot : housing.slots) {
        if (out.modules.contains(slot.module)) continue;
        const auto text = moduleText(slot.module, data, own);
        if (!text) return failure(say("the file of the module \"{}\" is not there any more", slot.module));
        out.modules[slot.module] = *text;
    }
    if (auto gathered = gatherMaterial(out, data, own); !gathered) return tl::unexpected(gathered.error());
    return out;
}

Result<Bundle> bundleOfTake(const Take& take, std::string sound, const fs::path& data, const fs::path& own) {
    auto housing = readCase(take.rig.housing);
    if (!housing) return failure(say("the take does not hold its case"));
    Bundle out{take.patch, std::move(*housing), take.rig.modules, {}, {}};
    out.takeNote = writeTakeNote(take, take.figures);
    out.take = NewTake{};
    out.take->sound = std::move(sound);
    if (auto gathered = gatherMaterial(out, data, own); !gathered) return tl::unexpected(gathered.error());
    return out;
}

Result<void> writeBundle(const Bundle& bundle, const fs::path& file) {
    auto replacement = Replacement::of(file, FileKind::Document);
    if (!replacement) return tl::unexpected(replacement.error());
    int code = 0;
    std::unique_ptr<zip_t, Closing> archive(
        zip_open(replacement->temporary().c_str(), ZIP_CREATE | ZIP_TRUNCATE, &code));
    if (!archive) return failure(say("cannot be written: {}", zipProblem(code)));
    // The texts have to stay until the archive is closed.
    std::vector<std::pair<std::string, std::string>> entries{{"bundle.json", kMark}};
    if (bundle.patch) entries.emplace_back("patch.json", writePatch(*bundle.patch));
    entries.emplace_back("case.json", writeCase(bundle.housing));
    for (const auto& [id, text] : bundle.modules) entries.emplace_back("modules/" + id + ".json", text);
    for (const auto& [name, bytes] : bundle.samples) entries.emplace_back("samples/" + name, bytes);
    for (const auto& [name, bytes] : bundle.tunings) entries.emplace_back("tunings/" + name, bytes);
    if (!bundle.takeNote.empty()) entries.emplace_back("take.json", bundle.takeNote);
    if (bundle.take && !bundle.take->sound.empty()) entries.emplace_back("take.flac", bundle.take->sound);
    for (std::size_t i = 0; i < entries.size(); ++i) {
        const auto& [name, bytes] = entries[i];
        zip_source_t* source = zip_source_buffer(archive.get(), bytes.data(), bytes.size(), 0);
        const zip_int64_t index =
            source ? zip_file_add(archive.get(), name.c_str(), source, ZIP_FL_ENC_UTF_8 | ZIP_FL_OVERWRITE) : -1;
        if (index < 0) {
            if (source) zip_source_free(source);
            return failure(say("cannot be written: {}", zip_strerror(archive.get())));
        }
        // So that the first bytes of the file tell what it is.
        if (i == 0) zip_set_file_compression(archive.get(), static_cast<zip_uint64_t>(index), ZIP_CM_STORE, 0);
        zip_file_set_mtime(archive.get(), static_cast<zip_uint64_t>(index), 0, 0); // the same bundle, the same bytes
    }
    if (zip_close(archive.get()) != 0) return failure(say("cannot be written: {}", zip_strerror(archive.get())));
    (void)archive.release();
    return replacement->commit();
}

Result<Bundle> readBundle(const fs::path& file) {
    const auto fail = [&](Sentence reason, std::string place = {}) {
        return tl::unexpected(Error{file.string(), std::move(place), std::move(reason)});
    };
    int code = 0;
    const std::unique_ptr<zip_t, Closing> archive(zip_open(file.c_str(), ZIP_RDONLY | ZIP_CHECKCONS, &code));
    if (!archive) return fail(say("is no bundle that can be read: {}", zipProblem(code)));
    const zip_int64_t count = zip_get_num_entries(archive.get(), 0);
    if (count < 1 || count > kMostEntries) return fail(say("holds {} entries; 1 to {} are read", count, kMostEntries));
    Bundle out;
    std::size_t total = 0;
    bool marked = false;
    bool housed = false;
    for (zip_int64_t i = 0; i < count; ++i) {
        zip_stat_t about;
        if (zip_stat_index(archive.get(), static_cast<zip_uint64_t>(i), 0, &about) != 0 ||
            !(about.valid & ZIP_STAT_NAME) || !(about.valid & ZIP_STAT_SIZE))
            return fail(say("has an entry without name or size"));
        const std::string name = about.name;
        if (about.size > kMaxDocumentBytes || total + about.size > kMostBundled)
            return fail(say("is too large: {} an entry and {} in all are read", megabytes(kMaxDocumentBytes),
                            megabytes(kMostBundled)),
                        name.substr(0, 120));
        total += static_cast<std::size_t>(about.size);
        std::string bytes(static_cast<std::size_t>(about.size), '\0');
        const std::unique_ptr<zip_file_t, int (*)(zip_file_t*)> entry(
            zip_fopen_index(archive.get(), static_cast<zip_uint64_t>(i), 0), zip_fclose);
        if (!entry || zip_fread(entry.get(), bytes.data(), bytes.size()) != static_cast<zip_int64_t>(bytes.size()))
            return fail(say("cannot be unpacked; it may be damaged"), name.substr(0, 120));
        const auto slash = name.find('/');
        const std::string folder = slash == std::string::npos ? std::string() : name.substr(0, slash);
        const std::string own = slash == std::string::npos ? name : name.substr(slash + 1);
        if (!isName(own)) return fail(say("has a name that is none of a bundle"), name.substr(0, 120));
        const auto inside = [&](Error error) {
            error.path = name + (error.path.empty() ? "" : "/" + error.path);
            error.file = file.string();
            return tl::unexpected(std::move(error));
        };
        if (folder.empty() && own == "bundle.json") {
            const auto mark = detail::parseDocument(bytes, "lariat-bundle", 1);
            if (!mark) return inside(mark.error());
            marked = true;
        } else if (folder.empty() && own == "patch.json") {
            auto patch = readPatch(bytes);
            if (!patch) return inside(patch.error());
            out.patch = std::move(*patch);
        } else if (folder.empty() && own == "case.json") {
            auto housing = readCase(bytes);
            if (!housing) return inside(housing.error());
            out.housing = std::move(*housing);
            housed = true;
        } else if (folder.empty() && own == "take.json") {
            auto take = readTakeNote(bytes);
            if (!take) return inside(take.error());
            take->sound = out.take ? std::move(out.take->sound) : std::string();
            out.take = std::move(*take);
            out.takeNote = std::move(bytes);
        } else if (folder.empty() && own == "take.flac") {
            if (!out.take) out.take.emplace();
            out.take->sound = std::move(bytes);
        } else if (folder == "modules" && own.ends_with(".json")) {
            const auto module = readModule(bytes);
            if (!module) return inside(module.error());
            if (const auto resolved = resolveModule(*module); !resolved) return inside(resolved.error());
            out.modules[module->id] = std::move(bytes);
        } else if (folder == "samples" && (own.ends_with(".wav") || own.ends_with(".flac"))) {
            out.samples[own] = std::move(bytes);
        } else if (folder == "tunings" && own.ends_with(".scl")) {
            Sentence why;
            if (!readScala(bytes, why)) return fail(why, name);
            out.tunings[own] = std::move(bytes);
        } else {
            return fail(say("is no part of a bundle"), name.substr(0, 120));
        }
    }
    if (!marked || !housed) return fail(say("lacks its case or says not that it is a bundle"));
    for (const Slot& slot : out.housing.slots)
        if (!out.modules.contains(slot.module)) return fail(say("lacks the module \"{}\"", slot.module), "case.json");
    return out;
}

namespace {

/// Takes back what was written if not all of it could be.
class Undo {
  public:
    ~Undo() {
        std::error_code problem;
        for (const fs::path& file : files_) fs::remove(file, problem);
    }
    void remember(const fs::path& file) { files_.push_back(file); }
    void keep() { files_.clear(); }

  private:
    std::vector<fs::path> files_;
};

/// A free name like `wanted`, which is taken by something else.
std::string another(const std::string& wanted, const std::function<bool(const std::string&)>& taken) {
    for (int number = 2;; ++number)
        if (std::string name = fmt::format("{}-{}", wanted.substr(0, 58), number); !taken(name)) return name;
}

/// However they are written down.
bool sameModule(const std::string& a, const std::string& b) {
    if (a == b) return true;
    const auto one = readModule(a);
    const auto other = readModule(b);
    return one && other && *one == *other;
}

std::string withId(const std::string& text, const std::string& id) {
    Json json = Json::parse(text);
    json["id"] = id;
    return dump(json);
}

} // namespace

Result<Unpacked> unpackBundle(Bundle bundle, const fs::path& data, const fs::path& own) {
    if (own.empty()) return failure(say("there is no folder of your own to unpack it in: set HOME"));
    Workspace there = loadWorkspace(data, own);
    Unpacked out;
    Undo undo;
    std::error_code problem;
    const auto write = [&](const char* folder, const std::string& name, const std::string& bytes,
                           FileKind kind) -> Result<void> {
        fs::create_directories(own / folder, problem);
        const fs::path file = own / folder / name;
        if (fs::exists(file, problem)) return failure(say("{} is there already", file.string()));
        if (auto done = writeFile(file, bytes, kind); !done) return done;
        undo.remember(file);
        out.written.push_back(file.string());
        return {};
    };
    // Recordings and tunings first, then modules, then the case that names them.
    for (const bool sample : {true, false}) {
        const char* folder = sample ? "samples" : "tunings";
        for (const auto& [name, bytes] : sample ? bundle.samples : bundle.tunings) {
            const fs::path path(name);
            const std::string stem = path.stem().string();
            const auto present = findFile(folder, stem, {path.extension().string()}, data, own);
            if (present && readFile(*present).value_or(std::string()) == bytes) continue;
            const auto taken = [&](const std::string& wanted) {
                return sample ? there.library.sample(wanted) != nullptr : there.library.tuning(wanted) != nullptr;
            };
            std::string fresh = stem;
            if (present || taken(stem)) {
                fresh = another(stem, taken);
                out.renamed.push_back(say("{} is {} here", stem, fresh));
                if (bundle.patch)
                    for (Post& post : bundle.patch->posts) {
                        std::string& used = sample ? post.sample : post.tuning;
                        if (used == stem) used = fresh;
                    }
            }
            if (auto done =
                    write(folder, fresh + path.extension().string(), bytes, sample ? FileKind::Sound : FileKind::Text);
                !done)
                return tl::unexpected(done.error());
        }
    }
    for (const auto& [id, text] : bundle.modules) {
        const auto present = there.library.module(id) ? moduleText(id, data, own) : std::nullopt;
        if (present && sameModule(*present, text)) continue;
        std::string fresh = id;
        if (there.library.module(id)) {
            fresh = another(id, [&](const std::string& name) {
                return there.library.module(name) != nullptr || bundle.modules.contains(name);
            });
            out.renamed.push_back(say("{} is {} here", id, fresh));
            for (Slot& slot : bundle.housing.slots)
                if (slot.module == id) slot.module = fresh;
            if (bundle.patch)
                for (Post& post : bundle.patch->posts)
                    if (post.module == id) post.module = fresh;
        }
        if (auto done = write("modules", fresh + ".json", fresh == id ? text : withId(text, fresh), FileKind::Document);
            !done)
            return tl::unexpected(done.error());
    }
    out.caseId = bundle.housing.id;
    const auto present = there.cases.find(out.caseId);
    if (present == there.cases.end() || !(present->second == bundle.housing)) {
        if (present != there.cases.end()) {
            out.caseId = another(out.caseId, [&](const std::string& name) { return there.cases.contains(name); });
            out.renamed.push_back(say("{} is {} here", bundle.housing.id, out.caseId));
            bundle.housing.id = out.caseId;
        }
        if (auto done = write("cases", out.caseId + ".json", writeCase(bundle.housing), FileKind::Document); !done)
            return tl::unexpected(done.error());
    }
    // Does it fit together? Only then does it stay.
    const Workspace now = loadWorkspace(data, own);
    if (!now.cases.contains(out.caseId))
        return tl::unexpected(now.errors.empty() ? Error{{}, {}, say("its case cannot be used")} : now.errors.back());
    if (bundle.patch) {
        bundle.patch->caseId = out.caseId;
        auto checked = checkPatch(std::move(*bundle.patch), now.library);
        if (!checked) return tl::unexpected(checked.error());
        out.patch = std::move(*checked);
    }
    undo.keep();
    return out;
}

} // namespace lariat
