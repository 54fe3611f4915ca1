#include "plan/allot.h"

#include "plan/programme.h"

#include <algorithm>
#include <cmath>
#include <set>

namespace lariat {
namespace {

constexpr double kNobody = 1000.0;    ///< what a role that nobody plays costs, in cables
constexpr double kStandIn = 10.0;     ///< so that nothing stands in unless it is needed
constexpr double kFreshShared = 0.4;  ///< a clock of its own where one is running
constexpr double kMissingKnob = 0.15; ///< a knob that the panel does not have
constexpr double kOtherBlocks = 0.1;  ///< a block of a part that is bound with it and has nothing to do
constexpr double kPerCentimetre = 0.002;
constexpr std::size_t kMostSeats = 60; ///< of a role that are looked at

struct Candidate {
    Seat seat;
    int variable = -1;
    double cost = 0.0;
    bool exists = false; ///< its post stands in the patch that stays
};

Patch without(const Patch& patch, const std::string& voice) {
    if (voice.empty()) return patch;
    Patch out = patch;
    std::erase_if(out.cables, [&](const Cable& cable) { return cable.voice == voice; });
    std::erase_if(out.posts, [&](const Post& post) { return post.voice == voice; });
    std::erase_if(out.cables,
                  [&](const Cable& cable) { return !out.post(cable.from.post) || !out.post(cable.to.post); });
    return out;
}

bool leadsAway(const Seat& seat) {
    return seat.part->blocks[static_cast<std::size_t>(seat.block)].type->leadsOut;
}

std::string kindOfSeat(const Seat& seat) {
    return fmt::format("{}/{}/{}", seat.module, seat.part->blocks[static_cast<std::size_t>(seat.block)].type->id,
                       seat.provider->standsIn() ? "stands in" : "is");
}

/// True if sound of this post comes to a way out over the cables of the patch.
bool reachesOut(const Patch& patch, const Library& library, const std::string& post) {
    std::set<std::string> seen{post};
    std::vector<std::string> open{post};
    while (!open.empty()) {
        const std::string now = open.back();
        open.pop_back();
        for (const Cable& cable : patch.cables) {
            if (cable.from.post != now || !seen.insert(cable.to.post).second) continue;
            const PartInfo* part = library.part(*patch.post(cable.to.post));
            if (part && std::ranges::any_of(part->blocks, [](const PartBlock& b) { return b.type->leadsOut; }))
                return true;
            open.push_back(cable.to.post);
        }
    }
    return false;
}

/// An output wired to an input behind the panel: within a part, or as a normal between parts of one module.
bool wired(const Library& library, const Seat& from, const std::string& out, const Seat& to, const std::string& in) {
    if (from.slot != to.slot) return false;
    const auto a = from.point(out, true);
    const auto b = to.point(in, false);
    if (!a || !b) return false;
    if (from.part == to.part)
        for (const WireInfo& wire : from.part->wires)
            if (wire.from == *a && wire.to == *b) return true;
    const JackInfo* input = to.jack(in, false);
    if (!input || !input->normal) return false;
    const ModuleInfo* module = library.module(from.module);
    const PartInfo* part = module ? module->part(input->normal->part) : nullptr;
    const JackInfo* source = part ? part->jack(input->normal->jack) : nullptr;
    return part == from.part && source && source->output && source->at == *a;
}

/// An input that lends what feeds it to another one, as long as nothing is plugged in there.
bool copies(const Seat& to, const std::string& in, const Seat& lends, const std::string& from) {
    if (to.slot != lends.slot) return false;
    const JackInfo* input = to.jack(in, false);
    const JackInfo* source = lends.jack(from, false);
    return input && source && input != source && input->normal && input->normal->part == lends.part->id &&
           input->normal->jack == source->id;
}

class Allotter {
  public:
    Allotter(const Recipe& recipe, const Site& site, const AllotAsk& ask)
        : recipe_(recipe), site_(site), ask_(ask), base_(without(site.present, ask.instead)) {}

    Result<Allotment> run() {
        if (!site_.housing) return failure(say("there is no case to plan for"));
        if (auto found = findCandidates(); !found) return tl::unexpected(found.error());
        oneSeatARole();
        onePartOneRole();
        cables();
        modulesAndRows();
        notAgain();
        auto solved = programme_.solve(ask_.seconds);
        if (!solved) return tl::unexpected(solved.error());
        return read(*solved);
    }

  private:
    [[nodiscard]] const JackRef* pluggedInto(const Post& post, const JackInfo& jack) const {
        const Cable* cable = base_.cableInto({post.id, jack.id});
        return cable ? &cable->from : nullptr;
    }

    /// Whether the seat has what the recipe asks of the role; `soft` grows by what it lacks and can do without.
    bool fits(const Role& role, const Seat& seat, bool exists, double& soft) const {
        const Post* post = exists ? postAt(base_, seat.slot, seat.part->id) : nullptr;
        for (const RecipeCable& cable : recipe_.cables)
            for (const bool output : {true, false}) {
                const RoleJack& end = output ? cable.from : cable.to;
                if (end.role != role.id) continue;
                if (output && seat.provider->leadsOut) continue; // leaves through the mixer
                const JackInfo* jack = seat.jack(end.word, output);
                if (!jack && !seat.point(end.word, output)) return false;
                if (!jack && seat.part->wires.empty()) return false;
                // What another voice has plugged in there stays, unless all channels have it in common.
                if (jack && post && !output && pluggedInto(*post, *jack) && !role.shared && !inCommon(seat, end.word))
                    return false;
            }
        for (const RecipeKnob& knob : recipe_.knobs)
            if (knob.at.role == role.id && seat.knobs(knob.at.word).empty()) soft += kMissingKnob;
        for (std::size_t b = 0; b < seat.part->blocks.size(); ++b)
            if (static_cast<int>(b) != seat.block) soft += kOtherBlocks;
        return true;
    }

    static bool inCommon(const Seat& seat, const std::string& word) {
        const auto named = seat.provider->jacks.find(word);
        return seat.provider->channels > 1 && named != seat.provider->jacks.end() &&
               named->second.find("{n}") == std::string::npos;
    }

    Result<void> findCandidates() {
        for (const Role& role : recipe_.roles) {
            const Function* function = site_.functions->find(role.plays);
            if (!function) return failure(say("{}: there is no function \"{}\"", role.name, role.plays));
            if (auto words = wordsExist(role, *function); !words) return words;
            std::vector<Candidate>& mine = candidates_.emplace_back();
            for (Seat& seat : seatsOf(*function, *site_.library, *site_.housing)) {
                if (!ask_.standIns && seat.provider->standsIn()) continue;
                const Post* post = postAt(base_, seat.slot, seat.part->id);
                Candidate candidate{std::move(seat), -1, 0.0, post != nullptr};
                if (const auto pin = ask_.pinned.find(role.id); pin != ask_.pinned.end()) {
                    // A post keeps its settings, so it is nothing that would have to be set first.
                    const bool here = candidate.seat.key() == pin->second && candidate.seat.provider->set.empty();
                    double lacks = 0.0;
                    if (here && mine.empty() && fits(role, candidate.seat, candidate.exists, lacks))
                        mine.push_back(std::move(candidate));
                    continue;
                }
                if (usesSeat(base_, candidate.seat) && !role.shared) continue;
                if (holdsStepsOnly(site_.present, candidate.seat)) continue;
                double cost = candidate.seat.provider->price;
                if (candidate.seat.provider->standsIn()) cost += kStandIn;
                if (role.plays == "way-out") {
                    const Leads leads = leadsOut(site_, candidate.seat, ask_.instead);
                    if (!leads.out) continue;
                    if (leads.mixer) cost += leads.mixer->between ? 3.0 : 2.0;
                }
                if (role.shared && !candidate.exists) cost += kFreshShared;
                if (!fits(role, candidate.seat, candidate.exists, cost)) continue;
                candidate.cost = cost;
                if (mine.size() < kMostSeats) mine.push_back(std::move(candidate));
            }
            for (Candidate& one : mine) one.variable = programme_.choice(one.cost);
            nobody_.push_back(programme_.choice(kNobody));
        }
        return {};
    }

    /// A word that no provider of the function has is a fault of the recipe, not of the case.
    [[nodiscard]] Result<void> wordsExist(const Role& role, const Function& function) const {
        const auto knows = [&](const std::string& word, bool output) {
            return std::ranges::any_of(function.providers, [&](const Provider& provider) {
                const auto named = provider.jacks.find(word);
                if (named == provider.jacks.end() && !provider.sameWords) return false;
                const std::string id = named == provider.jacks.end() ? word : withChannel(named->second, 1);
                const BlockType& type = *findBlockType(provider.block);
                return std::ranges::count(output ? type.outputs : type.inputs, id, &JackSpec::id) > 0;
            });
        };
        for (const RecipeCable& cable : recipe_.cables) {
            if (cable.from.role == role.id && !knows(cable.from.word, true))
                return failure(say("{}: a {} has no output \"{}\"", role.name, function.name, cable.from.word));
            if (cable.to.role == role.id && !knows(cable.to.word, false))
                return failure(say("{}: a {} has no input \"{}\"", role.name, function.name, cable.to.word));
        }
        return {};
    }

    void oneSeatARole() {
        for (std::size_t r = 0; r < candidates_.size(); ++r) {
            Programme::Sum sum{{nobody_[r], 1.0}};
            for (const Candidate& one : candidates_[r]) sum.emplace_back(one.variable, 1.0);
            programme_.limit(std::move(sum), 1.0, 1.0);
        }
    }

    void onePartOneRole() {
        std::map<std::string, Programme::Sum> seats;
        std::map<std::string, std::set<std::string>> channels; ///< of a block
        std::map<std::string, Programme::Sum> wholes;
        for (std::size_t r = 0; r < candidates_.size(); ++r)
            for (const Candidate& one : candidates_[r]) {
                if (recipe_.roles[r].shared && one.exists) continue;
                if (one.seat.provider->leadsOut && recipe_.roles[r].plays != "way-out") {
                    // It is the mixer channel itself: whoever leads out takes the same one.
                    Programme::Sum same{{one.variable, 1.0}};
                    for (std::size_t w = 0; w < candidates_.size(); ++w)
                        if (recipe_.roles[w].plays == "way-out" && feedsOnly(recipe_.roles[r], recipe_.roles[w]))
                            for (const Candidate& out : candidates_[w])
                                if (out.seat.key() == one.seat.key()) same.emplace_back(out.variable, -1.0);
                    programme_.limit(std::move(same), -Programme::kAny, 0.0);
                    seats["through " + one.seat.key()].emplace_back(one.variable, 1.0);
                    continue;
                }
                seats[one.seat.key()].emplace_back(one.variable, 1.0);
                if (one.seat.provider->channels > 1)
                    channels[one.seat.blockKey()].insert(one.seat.key());
                else
                    wholes[one.seat.blockKey()].emplace_back(one.variable, 1.0);
            }
        for (const auto& [block, keys] : channels)
            if (const auto whole = wholes.find(block); whole != wholes.end())
                for (const std::string& key : keys) {
                    Programme::Sum both = seats[key];
                    both.insert(both.end(), whole->second.begin(), whole->second.end());
                    programme_.limit(std::move(both), -Programme::kAny, 1.0);
                }
        for (auto& [key, sum] : seats) programme_.limit(std::move(sum), -Programme::kAny, 1.0);
    }

    [[nodiscard]] bool feedsOnly(const Role& from, const Role& to) const {
        return std::ranges::all_of(recipe_.cables, [&](const RecipeCable& cable) {
            return cable.from.role != from.id || cable.to.role == to.id;
        });
    }

    [[nodiscard]] std::size_t indexOf(const std::string& role) const {
        return static_cast<std::size_t>(std::ranges::find(recipe_.roles, role, &Role::id) - recipe_.roles.begin());
    }

    /// Why no cable has to be tied between two seats.
    [[nodiscard]] Routing::Way wayOf(const RecipeCable& cable, const Candidate& a, const Candidate& b) const {
        if (a.seat.provider->leadsOut && a.seat.key() == b.seat.key()) return Routing::Way::BehindPanel;
        if (wired(*site_.library, a.seat, cable.from.word, b.seat, cable.to.word)) return Routing::Way::BehindPanel;
        const JackInfo* to = b.seat.jack(cable.to.word, false);
        const JackInfo* from = a.seat.jack(cable.from.word, true);
        if (!to) return Routing::Way::Tie;
        const Post* target = postAt(site_.present, b.seat.slot, b.seat.part->id);
        const Post* source = postAt(site_.present, a.seat.slot, a.seat.part->id);
        if (!target) return Routing::Way::Tie;
        const Cable* there = site_.present.cableInto({target->id, to->id});
        if (there && source && from && there->from == JackRef{source->id, from->id})
            return base_.cable(there->id) ? Routing::Way::ThereAlready : Routing::Way::Stays;
        // A clock that a sequencer has already is as good as ours.
        if (b.exists && pluggedInto(*target, *to)) return Routing::Way::ThereAlready;
        return Routing::Way::Tie;
    }

    void cables() {
        // Where each role stands, so that near ones are taken: lengths are linear in these.
        struct Spot {
            Programme::Sum x, y;
        };
        std::map<std::size_t, Spot> spots;
        const auto spotOf = [&](std::size_t r) -> const Spot& {
            if (const auto known = spots.find(r); known != spots.end()) return known->second;
            Spot spot;
            for (const Candidate& one : candidates_[r]) {
                const Slot& slot = *site_.housing->slot(one.seat.slot);
                spot.x.emplace_back(one.variable, 0.508 * slot.column);
                spot.y.emplace_back(one.variable, 13.335 * slot.row);
            }
            return spots.emplace(r, std::move(spot)).first->second;
        };
        Programme::Sum tied;
        double all = 0.0;
        for (const RecipeCable& cable : recipe_.cables) {
            const std::size_t a = indexOf(cable.from.role);
            const std::size_t b = indexOf(cable.to.role);
            all += 1.0;
            std::map<int, Programme::Sum> hidden; ///< ends that only a wire reaches
            for (const Candidate& from : candidates_[a])
                for (const Candidate& to : candidates_[b]) {
                    const Routing::Way way = wayOf(cable, from, to);
                    if (way == Routing::Way::Tie) continue;
                    const double saves = way == Routing::Way::Stays && ask_.counts != Counts::Moves ? -0.5 : -1.0;
                    const int both = programme_.choice(saves);
                    programme_.limit({{both, 1.0}, {from.variable, -1.0}}, -Programme::kAny, 0.0);
                    programme_.limit({{both, 1.0}, {to.variable, -1.0}}, -Programme::kAny, 0.0);
                    tied.emplace_back(both, -1.0);
                    hidden[from.variable].emplace_back(both, -1.0);
                    hidden[to.variable].emplace_back(both, -1.0);
                }
            // An input that copies another one's, where both are fed the same.
            for (const RecipeCable& twin : recipe_.cables) {
                if (&twin == &cable || !(twin.from == cable.from)) continue;
                for (const Candidate& to : candidates_[b])
                    for (const Candidate& lends : candidates_[indexOf(twin.to.role)]) {
                        if (!copies(to.seat, cable.to.word, lends.seat, twin.to.word)) continue;
                        const int both = programme_.choice(-1.0);
                        programme_.limit({{both, 1.0}, {to.variable, -1.0}}, -Programme::kAny, 0.0);
                        programme_.limit({{both, 1.0}, {lends.variable, -1.0}}, -Programme::kAny, 0.0);
                        tied.emplace_back(both, -1.0);
                        hidden[to.variable].emplace_back(both, -1.0);
                    }
            }
            const auto hiddenEnd = [&](const Candidate& one, const std::string& word, bool output) {
                if (one.seat.jack(word, output)) return;
                Programme::Sum sum = hidden[one.variable];
                sum.emplace_back(one.variable, 1.0);
                programme_.limit(std::move(sum), -Programme::kAny, 0.0);
            };
            for (const Candidate& from : candidates_[a]) hiddenEnd(from, cable.from.word, true);
            for (const Candidate& to : candidates_[b]) hiddenEnd(to, cable.to.word, false);
            // |x - x'| + |y - y'|, small by itself.
            for (const bool vertical : {false, true}) {
                const int length = programme_.amount(kPerCentimetre);
                for (const double sign : {1.0, -1.0}) {
                    Programme::Sum sum{{length, 1.0}};
                    const auto put = [&](const Spot& spot, double factor) {
                        for (const auto& [variable, where] : vertical ? spot.y : spot.x)
                            sum.emplace_back(variable, factor * where);
                    };
                    if (a == b) continue;
                    put(spotOf(a), -sign);
                    put(spotOf(b), sign);
                    programme_.limit(std::move(sum), 0.0, Programme::kAny);
                }
            }
        }
        // As many cables as are left; what nobody plays needs none.
        const int left = site_.housing->cableCount() - static_cast<int>(base_.cables.size());
        for (const int one : nobody_) tied.emplace_back(one, -all);
        programme_.limit(std::move(tied), -Programme::kAny, std::max(0, left) - all);
    }

    void modulesAndRows() {
        const double perModule = ask_.counts == Counts::Modules ? 2.0 : 0.05;
        const double perRow = ask_.counts == Counts::Rows ? 6.0 : 0.0;
        std::map<std::string, int> modules;
        std::map<int, int> rows;
        for (const auto& list : candidates_)
            for (const Candidate& one : list) {
                const auto bind = [&](auto& known, const auto& key, double cost) {
                    const auto [it, fresh] = known.try_emplace(key, -1);
                    if (fresh) it->second = programme_.choice(cost);
                    programme_.limit({{one.variable, 1.0}, {it->second, -1.0}}, -Programme::kAny, 0.0);
                };
                if (!one.exists) bind(modules, one.seat.slot, perModule);
                if (perRow > 0.0) bind(rows, site_.housing->slot(one.seat.slot)->row, perRow);
            }
    }

    void notAgain() {
        for (const std::vector<std::string>& kinds : ask_.notAgain) {
            Programme::Sum sum;
            for (std::size_t r = 0; r < candidates_.size() && r < kinds.size(); ++r)
                for (const Candidate& one : candidates_[r])
                    if (kindOfSeat(one.seat) == kinds[r]) sum.emplace_back(one.variable, 1.0);
            const auto cast = static_cast<double>(
                std::ranges::count_if(kinds, [](const std::string& kind) { return !kind.empty(); }));
            programme_.limit(std::move(sum), -Programme::kAny, cast - 1.0);
        }
    }

    [[nodiscard]] Allotment read(const Programme::Solution& solved) const {
        Allotment out;
        out.cost = solved.cost;
        out.bound = solved.bound;
        out.proven = solved.proven;
        std::vector<const Candidate*> taken;
        for (std::size_t r = 0; r < candidates_.size(); ++r) {
            const auto it =
                std::ranges::find_if(candidates_[r], [&](const Candidate& one) { return solved.chosen(one.variable); });
            taken.push_back(it == candidates_[r].end() ? nullptr : &*it);
            Casting cast{recipe_.roles[r].id, std::nullopt};
            if (taken.back()) {
                cast.seat = it->seat;
                // Of a voice that goes, a post that is needed again stays where it is.
                if (const Post* post = postAt(site_.present, it->seat.slot, it->seat.part->id)) cast.post = post->id;
            }
            out.castings.push_back(std::move(cast));
        }
        for (const RecipeCable& cable : recipe_.cables) {
            Routing routing;
            const Candidate* a = taken[indexOf(cable.from.role)];
            const Candidate* b = taken[indexOf(cable.to.role)];
            if (a && b) {
                routing.way = wayOf(cable, *a, *b);
                if (routing.way == Routing::Way::Tie)
                    for (const RecipeCable& twin : recipe_.cables)
                        if (&twin != &cable && twin.from == cable.from)
                            if (const Candidate* lends = taken[indexOf(twin.to.role)])
                                if (copies(b->seat, cable.to.word, lends->seat, twin.to.word))
                                    routing.way = Routing::Way::BehindPanel;
            }
            out.routings.push_back(routing);
        }
        return out;
    }

    const Recipe& recipe_;
    const Site& site_;
    const AllotAsk& ask_;
    Patch base_; ///< what stays
    Programme programme_;
    std::vector<std::vector<Candidate>> candidates_; ///< by role
    std::vector<int> nobody_;
};

} // namespace

std::string placeOf(const Seat& seat) {
    return seat.slot + "/" + seat.part->id;
}

bool Allotment::complete() const {
    return std::ranges::all_of(castings, [](const Casting& one) { return one.seat.has_value(); });
}

bool Allotment::isShort() const {
    const auto empty = std::ranges::count_if(castings, [](const Casting& one) { return !one.seat; });
    // With one role more that is played, it would cost less than nothing can cost.
    return empty > 0 && (proven || bound > kNobody * (static_cast<double>(empty) - 0.5));
}

const Casting* Allotment::of(std::string_view role) const {
    const auto it = std::ranges::find(castings, role, &Casting::role);
    return it == castings.end() ? nullptr : &*it;
}

std::vector<std::string> Allotment::kind() const {
    std::vector<std::string> out;
    for (const Casting& one : castings) out.push_back(one.seat ? kindOfSeat(*one.seat) : std::string());
    return out;
}

int Allotment::ties() const {
    return static_cast<int>(
        std::ranges::count_if(routings, [](const Routing& one) { return one.way == Routing::Way::Tie; }));
}

int Allotment::standIns() const {
    return static_cast<int>(
        std::ranges::count_if(castings, [](const Casting& one) { return one.seat && one.seat->provider->standsIn(); }));
}

int Allotment::modules() const {
    std::set<std::string> slots;
    for (const Casting& one : castings)
        if (one.seat && one.post.empty()) slots.insert(one.seat->slot);
    return static_cast<int>(slots.size());
}

Leads leadsOut(const Site& site, const Seat& seat, const std::string& instead) {
    const Patch base = without(site.present, instead);
    const Post* post = postAt(base, seat.slot, seat.part->id);
    if (leadsAway(seat)) {
        const JackInfo* in = seat.jack("in", false);
        return {in && (!post || !base.cableInto({post->id, in->id}))};
    }
    if (post && reachesOut(base, *site.library, post->id)) return {true};
    // The mixer's own output has to go to a way out.
    const Function* ways = site.functions->find("way-out");
    for (const Seat& out : seatsOf(*ways, *site.library, *site.housing)) {
        if (!leadsAway(out)) continue;
        const JackInfo* in = out.jack("in", false);
        if (!in) continue;
        const Post* there = postAt(base, out.slot, out.part->id);
        const bool plugged = there && base.cableInto({there->id, in->id});
        // Its first channel takes what went there; a mixer that is busy with something else stays so.
        if (plugged && (seat.channel == 1 || post)) continue;
        return {true, MixerWay{placeOf(out), plugged}};
    }
    return {};
}

Result<Allotment> allot(const Recipe& recipe, const Site& site, const AllotAsk& ask) {
    return Allotter(recipe, site, ask).run();
}

} // namespace lariat
