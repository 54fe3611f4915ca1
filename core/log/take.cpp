#include "log/take.h"

#include "library/tie.h"
#include "library/workspace.h"
#include "model/audio_file.h"
#include "model/file.h"
#include "model/json.h"
#include "model/sound_writer.h"

#include <algorithm>
#include <set>

namespace lariat {
namespace {

constexpr int kRigVersion = 1;

} // namespace

Sentence takeKindText(TakeKind kind) {
    switch (kind) {
    case TakeKind::ByHand:
        return say("kept by hand");
    case TakeKind::BeforePlan:
        return say("before the plan");
    case TakeKind::BeforeReading:
        return say("before a sheet was read");
    case TakeKind::BeforeReturn:
        return say("before going back");
    case TakeKind::Recorded:
        return say("recorded");
    case TakeKind::Caught:
        return say("a state that was caught");
    case TakeKind::Brought:
        break;
    }
    return say("brought in");
}

Rig rigOf(const Patch& patch, const Workspace& workspace) {
    Rig rig;
    std::set<std::string> needed;
    for (const Post& post : patch.posts) needed.insert(post.module);
    if (const Case* housing = workspace.housing(patch)) {
        rig.housing = writeCase(*housing);
        for (const Slot& slot : housing->slots) needed.insert(slot.module);
    }
    for (const std::string& id : needed)
        if (const ModuleInfo* module = workspace.library.module(id)) rig.modules[id] = writeModule(module->description);
    return rig;
}

std::string writeRig(const Rig& rig) {
    Json out = {{"format", "lariat-rig"}, {"version", kRigVersion}};
    if (!rig.housing.empty()) out["case"] = Json::parse(rig.housing);
    out["modules"] = Json::array();
    for (const auto& [id, text] : rig.modules) out["modules"].push_back(Json::parse(text));
    return dump(out);
}

Result<Rig> readRig(std::string_view bytes) {
    auto node = detail::parseDocument(bytes, "lariat-rig", kRigVersion);
    if (!node) return tl::unexpected(node.error());
    Rig rig;
    if (node->contains("case")) {
        auto housing = readCase((*node)["case"].dump());
        if (!housing) return tl::unexpected(housing.error());
        rig.housing = writeCase(*housing);
    }
    if (!node->contains("modules") || !(*node)["modules"].is_array())
        return failure(say("should be a list"), "modules");
    for (const Json& one : (*node)["modules"]) {
        auto module = readModule(one.dump());
        if (!module) return tl::unexpected(module.error());
        rig.modules[module->id] = writeModule(*module);
    }
    return rig;
}

std::vector<Sentence> rigChanges(const Rig& was, const Patch& patch, const Workspace& now) {
    std::vector<Sentence> out;
    const Case* housing = now.housing(patch);
    if (!was.housing.empty() && !housing)
        out.push_back(say("the case {} is not here", patch.caseId));
    else if (!was.housing.empty() && writeCase(*housing) != was.housing)
        out.push_back(say("the case {} is another one now", patch.caseId));
    std::set<std::string> used;
    for (const Post& post : patch.posts) used.insert(post.module);
    for (const auto& [id, text] : was.modules) {
        if (!used.contains(id)) continue;
        const ModuleInfo* module = now.library.module(id);
        if (!module)
            out.push_back(say("the module {} is not here", id));
        else if (writeModule(module->description) != text)
            out.push_back(say("the module {} is another one now", id));
    }
    return out;
}

Result<NewTake> makeTake(const Patch& patch, const Library& library, Rig rig, const TakeWanted& wanted,
                         const std::function<bool(double)>& progress) {
    auto heard = hearPatch(patch, library, kTakeSeconds, progress);
    if (!heard) return tl::unexpected(heard.error());
    NewTake out;
    out.patch = patch;
    out.rig = std::move(rig);
    out.figures = std::move(heard->figures);
    out.thumb = heard->thumb;
    if (wanted.findings) out.figures["findings"] = *wanted.findings;
    if (wanted.sound) {
        auto sound = encodeSound(heard->mix);
        if (!sound) return tl::unexpected(sound.error());
        out.sound = std::move(*sound);
    }
    return out;
}

std::string writeTakeNote(const TakeLine& line, const Figures& figures) {
    Json out = {{"format", "lariat-take"}, {"version", 1}, {"name", line.label.name}};
    if (!line.label.notes.empty()) out["notes"] = line.label.notes;
    if (!line.label.tags.empty()) out["tags"] = line.label.tags;
    if (line.label.rating > 0) out["rating"] = line.label.rating;
    out["at"] = line.at;
    out["figures"] = Json::object();
    for (const auto& [name, value] : figures) out["figures"][name] = value;
    return dump(out);
}

Result<NewTake> readTakeNote(std::string_view bytes) {
    return readJson<NewTake>(bytes, "lariat-take", 1, [](Reader& in) {
        NewTake out;
        out.kind = TakeKind::Brought;
        out.label.name = in.text("name", "");
        out.label.notes = in.text("notes", "");
        in.eachText("tags", [&](const std::string& tag, const std::string&) { out.label.tags.push_back(tag); });
        out.label.rating = in.integer("rating", 0, 5, 0);
        out.at = static_cast<std::int64_t>(in.number("at", 0, 1e15, 0));
        in.eachNumber("figures", [&](const std::string& name, double value) { out.figures[name] = value; });
        return out;
    });
}

std::string takeName(const TakeLine& take, const Speaker& speak) {
    if (!take.label.name.empty()) return take.label.name;
    return take.kind == TakeKind::ByHand ? take.title : speak(takeKindText(take.kind));
}

std::vector<int> lanesOf(const std::vector<TakeLine>& takes) {
    std::map<std::int64_t, std::size_t> place;
    for (std::size_t i = 0; i < takes.size(); ++i) place[takes[i].id] = i;
    std::map<std::int64_t, std::int64_t> heir; // the newest child: the first in this order
    for (const TakeLine& take : takes)
        if (place.contains(take.parent)) heir.try_emplace(take.parent, take.id);
    std::vector<int> lanes(takes.size(), 0);
    for (std::size_t i = takes.size(); i-- > 0;) { // parents are older
        const auto parent = place.find(takes[i].parent);
        if (parent == place.end() || parent->second <= i) continue;
        lanes[i] = lanes[parent->second] + (heir[takes[i].parent] == takes[i].id ? 0 : 1);
    }
    return lanes;
}

std::string searchWords(const Patch& patch, const Library& library) {
    std::string out = patch.title + "\n" + patch.about + "\n" + patch.key + "\n";
    for (const Post& post : patch.posts) {
        const ModuleInfo* module = library.module(post.module);
        out += fmt::format("{} {} {} {}\n", post.name, module ? module->description.name : post.module, post.voice,
                           post.note);
        for (const auto& [knob, note] : post.knobNotes) out += note + "\n";
    }
    for (const Cable& cable : patch.cables)
        out += fmt::format("{} to {} {}\n", tieName(cable.from, patch, library), tieName(cable.to, patch, library),
                           cable.note);
    return out;
}

Result<std::string> encodeSound(std::span<const float> mix) {
    const ScratchFile scratch("flac");
    auto writer = SoundWriter::replacing(scratch.path(), {.rate = kTakeRate, .channels = 2, .bits = 16});
    if (!writer) return tl::unexpected(writer.error());
    if (auto written = writer->write(mix); !written) return tl::unexpected(written.error());
    if (auto ended = writer->commit(); !ended) return tl::unexpected(ended.error());
    return readFile(scratch.path());
}

Result<std::vector<float>> decodeSound(const std::string& flac) {
    const ScratchFile scratch("flac");
    if (auto written = writeFile(scratch.path(), flac, FileKind::Sound); !written)
        return tl::unexpected(written.error());
    auto read = readAudio(scratch.path());
    if (!read) return tl::unexpected(read.error());
    if (read->channels != 2 || read->rate != kTakeRate) return failure(say("the sound of the take is none of ours"));
    return std::move(read->samples);
}

} // namespace lariat
