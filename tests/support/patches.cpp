#include "support/patches.h"

#include "model/pattern_text.h"

#include <algorithm>

#include "findings/trial.h"
#include "library/check.h"

#include <stdexcept>

namespace lariat::test {

std::vector<Hit> hits(const char* words) {
    return *readHits(words);
}

const Workspace& workspace() {
    static const Workspace shipped = loadWorkspace(std::filesystem::path(LARIAT_SOURCE) / "data");
    return shipped;
}

Patch lamp() {
    return demo("lamp.json");
}

Patch demo(const std::string& file) {
    auto patch = openPatch(std::filesystem::path(LARIAT_SOURCE) / "data/demo" / file, workspace().library);
    if (!patch) throw std::runtime_error(patch.error().text());
    return *patch;
}

std::string whyNone(const Patch& patch, const Finding& finding) {
    const auto observed = observe(patch, workspace().library, workspace().housing(patch), 3.0);
    const auto before = everythingIn(*observed);
    std::string out;
    for (const Finding& other : before)
        if (other.rule == finding.rule && other.post == finding.post)
            for (const Fix& fix : other.fixes)
                out += fix.label.str() + ": " + tryFix(fix, other, before, *observed).why + "\n";
    return out;
}

JackRef jackRef(const std::string& text) {
    const auto dot = text.find('.');
    return {text.substr(0, dot), text.substr(dot + 1)};
}

PatchMaker::PatchMaker(const std::string& caseId) {
    patch_.title = "Test";
    patch_.caseId = caseId;
}

PatchMaker& PatchMaker::post(const std::string& id, const std::string& slot, const std::string& part) {
    const Case& housing = workspace().cases.at(patch_.caseId);
    const Slot* found = housing.slot(slot);
    if (!found) throw std::runtime_error("no slot " + slot);
    patch_.posts.push_back({id, id, slot, found->module, part, {}, {}, {}});
    return *this;
}

PatchMaker& PatchMaker::tie(const std::string& from, const std::string& to) {
    patch_.cables.push_back({patch_.freshCableId(), jackRef(from), jackRef(to), {}, {}, {}, 0, {}, {}});
    return *this;
}

PatchMaker& PatchMaker::untie(const std::string& to) {
    std::erase_if(patch_.cables, [&](const Cable& cable) { return cable.to == jackRef(to); });
    return *this;
}

PatchMaker& PatchMaker::overMult(const std::string& from, const std::string& to) {
    return untie(to).post("mult", "splice-a", "mult").tie(from, "mult.in").tie("mult.out-2", to);
}

PatchMaker& PatchMaker::knob(const std::string& post, const std::string& knob, double value) {
    for (Post& candidate : patch_.posts)
        if (candidate.id == post) candidate.knobs[knob] = value;
    return *this;
}

PatchMaker& PatchMaker::tuning(const std::string& post, const std::string& name) {
    std::ranges::find(patch_.posts, post, &Post::id)->tuning = name;
    return *this;
}

PatchMaker& PatchMaker::pattern(Pattern pattern) {
    patch_.patterns.push_back(std::move(pattern));
    return *this;
}

PatchMaker& PatchMaker::timing(double gate) {
    const bool tower = patch_.caseId == "tower-case";
    post("clock", tower ? "bosun" : "clock", "clock").post("tracks", tower ? "logbook" : "tracks", "tracks");
    tie("clock.sixteenths", "tracks.clock").tie("clock.reset-out", "tracks.reset");
    Track notes{"notes", {}};
    for (const int note : {50, 57, 62, 53}) notes.steps.push_back({Step::Kind::Note, note, gate, false});
    return pattern({"tracks", {notes}, {{"drum", hits("x...")}}});
}

PatchMaker& PatchMaker::voice() {
    const bool tower = patch_.caseId == "tower-case";
    timing(0.9)
        .post("osc", tower ? "keel-a" : "keel", "a")
        .post("filter", tower ? "skerry-a" : "skerry", "filter")
        .post("contour", "lantern-a", "1")
        .post("vca", "ballast-a", "1")
        .post("out", "harbour", "out");
    tie("tracks.pitch-1", "osc.voct")
        .tie("osc.saw", "filter.in-1")
        .tie("filter.low", "vca.in")
        .tie("vca.out", "out.left")
        .tie("tracks.gate-1", "contour.gate")
        .tie("contour.out", "vca.lin-cv");
    return knob("contour", "attack", 0.003).knob("contour", "decay", 0.05).knob("contour", "release", 0.02);
}

Patch PatchMaker::make() const {
    auto checked = checkPatch(patch_, workspace().library);
    if (!checked) throw std::runtime_error(checked.error().text());
    return *checked;
}

std::vector<Finding> findingsIn(const Patch& patch, double seconds) {
    const auto observed = observe(patch, workspace().library, workspace().housing(patch), seconds);
    if (!observed) throw std::runtime_error(observed.error().text());
    return findEverything(*observed)->open;
}

std::vector<Finding> findingsIn(const Patch& patch, const std::string& rule, double seconds) {
    std::vector<Finding> found = findingsIn(patch, seconds);
    std::erase_if(found, [&](const Finding& finding) { return finding.rule != rule; });
    return found;
}

} // namespace lariat::test
