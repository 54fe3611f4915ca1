#include "shell/selection.h"

#include <algorithm>

namespace lariat {

Selection::Selection(Document& document, QObject* parent) : QObject(parent), document_(document) {
    connect(&document_, &Document::replaced, this, [this] { choose({}); });
    connect(&document_, &Document::changed, this, [this] { choose(chosen_); });
}

Chosen Selection::stillThere(Chosen chosen) const {
    const Patch& patch = document_.patch();
    if (!patch.cable(chosen.cable)) chosen.cable = 0;
    std::erase_if(chosen.also, [&](int cable) { return !patch.cable(cable); });
    if (!chosen.cable && !chosen.also.empty()) chosen.cable = *chosen.also.begin();
    chosen.also.erase(chosen.cable);
    if (!patch.post(chosen.post)) chosen.post.clear();
    if (!document_.library().jack(patch, chosen.jack)) chosen.jack = {};
    if (chosen.line.post != chosen.post || !sequencerOf(patch, document_.library(), chosen.post)) chosen.line = {};
    if (chosen.line.post.empty()) chosen.steps.clear();
    return chosen;
}

void Selection::choose(Chosen chosen) {
    chosen = stillThere(std::move(chosen));
    if (chosen == chosen_) return;
    chosen_ = std::move(chosen);
    Q_EMIT changed();
}

std::vector<int> Selection::cables() const {
    std::vector<int> out;
    for (const Cable& cable : document_.patch().cables)
        if (has(cable.id)) out.push_back(cable.id);
    return out;
}

void Selection::chooseCable(int cable) {
    const Cable* found = document_.patch().cable(cable);
    choose({.post = found ? found->to.post : chosen_.post,
            .cable = cable,
            .also = {},
            .jack = {},
            .line = {},
            .steps = {}});
}

void Selection::alsoChoose(int cable) {
    if (cable == chosen_.cable) return;
    Chosen next = chosen_;
    if (!next.also.erase(cable)) next.also.insert(cable);
    choose(std::move(next));
}

void Selection::chooseUpTo(int cable) {
    const int from = document_.patch().row(chosen_.cable);
    const int to = document_.patch().row(cable);
    if (from == 0 || to == 0) return;
    Chosen next = chosen_;
    next.also.clear();
    for (int row = std::min(from, to); row <= std::max(from, to); ++row)
        next.also.insert(document_.patch().cables[static_cast<std::size_t>(row - 1)].id);
    choose(std::move(next));
}

void Selection::goOnTo(int cable) {
    Chosen next = chosen_;
    next.also.insert(next.cable);
    next.cable = cable;
    choose(std::move(next));
}

void Selection::chooseCables(const std::vector<int>& cables) {
    Chosen next = chosen_;
    if (!next.cable && !cables.empty()) next.cable = cables.front();
    next.also = {cables.begin(), cables.end()};
    choose(std::move(next));
}

void Selection::choosePost(const std::string& post) {
    choose({.post = post, .cable = 0, .also = {}, .jack = {}, .line = {}, .steps = {}});
}

void Selection::chooseJack(const JackRef& jack) {
    choose({.post = jack.post, .cable = 0, .also = {}, .jack = jack, .line = {}, .steps = {}});
}

void Selection::chooseSteps(const LineRef& line, std::set<int> steps) {
    choose({.post = line.post, .cable = 0, .also = {}, .jack = {}, .line = line, .steps = std::move(steps)});
}

} // namespace lariat
