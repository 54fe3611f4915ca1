#include "shell/navigator.h"

namespace lariat {
namespace {

constexpr std::size_t kMostSteps = 50;

} // namespace

Navigator::Navigator(Document& document, Selection& selection, QObject* parent)
    : QObject(parent), selection_(selection) {
    connect(&document, &Document::replaced, this, [this] { // what was chosen belongs to the old one
        before_.clear();
        Q_EMIT waysChanged();
    });
}

void Navigator::leave() {
    const Spot here{place_, selection_.chosen()};
    if (place_.isEmpty() || (!before_.empty() && before_.back() == here)) return;
    before_.push_back(here);
    if (before_.size() > kMostSteps) before_.erase(before_.begin());
}

void Navigator::enter(const QString& place) {
    place_ = place;
    Q_EMIT placeChanged(place);
    Q_EMIT waysChanged();
}

void Navigator::go(const QString& place) {
    if (place != place_) leave();
    enter(place);
}

void Navigator::show(const QString& place, Chosen chosen) {
    leave();
    selection_.choose(std::move(chosen));
    enter(place);
}

void Navigator::showCable(int cable) {
    Chosen chosen;
    chosen.cable = cable;
    show(QStringLiteral("patch"), chosen);
    selection_.chooseCable(cable);
}

void Navigator::showPost(const std::string& post) {
    Chosen chosen;
    chosen.post = post;
    show(QStringLiteral("patch"), chosen);
}

void Navigator::openModule(const std::string& module) {
    go(QStringLiteral("stock"));
    Q_EMIT moduleWanted(module);
}

void Navigator::back() {
    if (before_.empty()) return;
    const Spot spot = before_.back();
    before_.pop_back();
    selection_.choose(spot.chosen);
    enter(spot.place);
}

} // namespace lariat
