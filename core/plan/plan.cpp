#include "plan/plan.h"

#include "building/cable_way.h"
#include "library/check.h"
#include "plan/line_edits.h"
#include "timing/pattern_edits.h"

#include <algorithm>
#include <cmath>
#include <set>

namespace lariat {
namespace {

/// Where a block's output leaves the panel: at a jack of its own, or behind what it goes through in the same part, such
/// as the inserts of a mixer's bus.
const JackInfo* panelOutput(const PartInfo& part, int block, const std::string& output) {
    const auto& first = part.blocks[static_cast<std::size_t>(block)].type->outputs;
    const auto at = std::ranges::find(first, output, &JackSpec::id);
    if (at == first.end()) return nullptr;
    std::vector<BlockPoint> open{{block, static_cast<int>(at - first.begin())}};
    for (std::size_t next = 0; next < open.size() && next < 32; ++next) {
        const BlockPoint here = open[next];
        for (const JackInfo& jack : part.jacks)
            if (jack.output && jack.at == here) return &jack;
        for (const WireInfo& wire : part.wires) {
            if (!(wire.from == here)) continue;
            const BlockType& through = *part.blocks[static_cast<std::size_t>(wire.to.block)].type;
            const std::string& in = through.inputs[static_cast<std::size_t>(wire.to.index)].id;
            for (const Flow& flow : flowsOf(through)) {
                if (flow.does != Does::Passes || std::ranges::count(flow.inputs, in) == 0) continue;
                for (std::size_t o = 0; o < through.outputs.size(); ++o)
                    if (flow.outputs.empty() || std::ranges::count(flow.outputs, through.outputs[o].id) > 0)
                        open.push_back({wire.to.block, static_cast<int>(o)});
            }
        }
    }
    return nullptr;
}

class Planner {
  public:
    Planner(const Recipe& recipe, const Values& values, const Site& site, const AllotAsk& ask)
        : recipe_(recipe), values_(values), site_(site), ask_(ask), now_(site.present) {}

    Result<Plan> make(Allotment allotment, const std::string& voice) {
        plan_.allotment = std::move(allotment);
        plan_.voice = freeVoice(voice);
        clear();
        if (auto done = seatRoles(); !done) return tl::unexpected(done.error());
        if (auto done = wayOut(); !done) return tl::unexpected(done.error());
        if (auto done = tie(); !done) return tl::unexpected(done.error());
        if (auto done = turnKnobs(); !done) return tl::unexpected(done.error());
        if (auto done = writeLines(); !done) return tl::unexpected(done.error());
        chooseCables();
        auto after = applyEdits(site_.present, plan_.edits).and_then([&](Patch patch) {
            return checkPatch(std::move(patch), *site_.library);
        });
        if (!after) return tl::unexpected(after.error());
        plan_.after = std::move(*after);
        return std::move(plan_);
    }

  private:
    Result<void> put(Edit edit) {
        auto next = applyEdit(now_, edit);
        if (!next) return tl::unexpected(next.error());
        now_ = std::move(*next);
        plan_.edits.push_back(std::move(edit));
        return {};
    }

    [[nodiscard]] std::string freeVoice(const std::string& wanted) const {
        const auto taken = [&](const std::string& name) {
            return name != ask_.instead && (std::ranges::count(site_.present.posts, name, &Post::voice) > 0 ||
                                            std::ranges::count(site_.present.cables, name, &Cable::voice) > 0);
        };
        std::string name = wanted;
        for (int number = 2; taken(name); ++number) name = fmt::format("{} {}", wanted, number);
        return name;
    }

    /// What gives way goes first: cables of the voice that do not stay, then posts that nobody needs again.
    void clear() {
        std::set<int> stay;
        for (std::size_t c = 0; c < recipe_.cables.size(); ++c)
            if (plan_.allotment.routings[c].way == Routing::Way::Stays)
                if (const Cable* there = presentCable(c)) stay.insert(there->id);
        std::set<std::string> again;
        for (const Casting& cast : plan_.allotment.castings) again.insert(cast.post);
        const auto gives = [&](const Post& post) { return !ask_.instead.empty() && post.voice == ask_.instead; };
        for (const Cable& cable : site_.present.cables) {
            const bool goes = (!ask_.instead.empty() && cable.voice == ask_.instead) ||
                              gives(*site_.present.post(cable.from.post)) || gives(*site_.present.post(cable.to.post));
            if (!goes || stay.contains(cable.id)) continue;
            if (put(RemoveCable{cable.id})) ++plan_.taken;
        }
        for (const Post& post : site_.present.posts)
            if (gives(post) && !again.contains(post.id)) (void)put(RemovePost{post.id});
        plan_.stays = static_cast<int>(stay.size());
        for (const int id : stay) (void)put(RegroupCable{id, plan_.voice, site_.present.cable(id)->step});
    }

    [[nodiscard]] const Cable* presentCable(std::size_t c) const {
        const Casting* a = plan_.allotment.of(recipe_.cables[c].from.role);
        const Casting* b = plan_.allotment.of(recipe_.cables[c].to.role);
        if (!a || !b || !a->seat || !b->seat) return nullptr;
        const JackInfo* to = b->seat->jack(recipe_.cables[c].to.word, false);
        const Post* target = postAt(site_.present, b->seat->slot, b->seat->part->id);
        return to && target ? site_.present.cableInto({target->id, to->id}) : nullptr;
    }

    [[nodiscard]] std::string freeName(std::string wanted, const std::string& self = {}) const {
        if (!wanted.empty() && wanted[0] >= 'a' && wanted[0] <= 'z')
            wanted[0] = static_cast<char>(wanted[0] - 'a' + 'A');
        std::string name = wanted;
        const auto taken = [&] {
            return std::ranges::any_of(now_.posts,
                                       [&](const Post& post) { return post.id != self && post.name == name; });
        };
        for (int number = 2; taken(); ++number) name = fmt::format("{} {}", wanted, number);
        return name;
    }

    Result<std::string> standAt(const Seat& seat, const std::string& name, const std::string& voice) {
        if (const Post* post = postAt(now_, seat.slot, seat.part->id)) return post->id;
        const Slot* slot = site_.housing->slot(seat.slot);
        Post post = postFor(now_, {slot, site_.library->module(seat.module), seat.part}, voice);
        if (!name.empty()) post.name = freeName(name);
        const std::string id = post.id;
        if (auto done = put(AddPost{std::move(post)}); !done) return tl::unexpected(done.error());
        fresh_.insert(id);
        return id;
    }

    Result<void> seatRoles() {
        for (const Role& role : recipe_.roles) {
            const Seat& seat = *plan_.allotment.of(role.id)->seat;
            const bool common = role.shared || role.plays == "way-out";
            auto id = standAt(seat, common || seat.provider->channels > 1 ? std::string() : role.name,
                              common || seat.provider->channels > 1 ? std::string() : plan_.voice);
            if (!id) return tl::unexpected(id.error());
            plan_.posts[role.id] = *id;
            const Post post = *now_.post(*id); // as it stood: edits put another patch in its place
            if (!fresh_.contains(*id) && !ask_.instead.empty() && post.voice == ask_.instead) {
                // It plays something else now: its knobs begin anew.
                if (auto done = put(DescribePost{*id, freeName(role.name, *id), plan_.voice, {}}); !done) return done;
                for (const auto& [knob, value] : post.knobs)
                    if (const KnobInfo* info = seat.part->knob(knob); info && !post.locked.contains(knob))
                        if (auto done = put(SetKnob{*id, knob, info->initial}); !done) return done;
                fresh_.insert(*id);
            }
            if (!role.sample.empty() || !role.tuning.empty())
                if (auto done = put(ChooseSources{*id, role.sample, role.tuning}); !done) return done;
        }
        return {};
    }

    /// Ties a mixer to the way out where the voice goes through one that was not in use.
    Result<void> wayOut() {
        for (const Role& role : recipe_.roles) {
            if (role.plays != "way-out") continue;
            const Seat& seat = *plan_.allotment.of(role.id)->seat;
            const Leads leads = leadsOut(site_, seat, ask_.instead);
            if (!leads.mixer) continue;
            const Function* ways = site_.functions->find("way-out");
            for (const Seat& out : seatsOf(*ways, *site_.library, *site_.housing)) {
                if (placeOf(out) != leads.mixer->lineOut) continue;
                auto lineOut = standAt(out, {}, {});
                if (!lineOut) return tl::unexpected(lineOut.error());
                const std::string mixer = plan_.posts.at(role.id);
                const BlockType& type = *seat.part->blocks[static_cast<std::size_t>(seat.block)].type;
                if (const Cable* there = now_.cableInto({*lineOut, out.jack("in", false)->id})) {
                    Seat first = seat;
                    first.channel = 1;
                    const Cable before = *there;
                    const JackInfo* in = first.jack("in", false);
                    if (auto done = put(MoveCable{before.id, before.from, {mixer, in->id}}); !done) return done;
                    if (const JackInfo* right = seat.part->jackFor(type.id, "right-1"))
                        if (const Cable* other = now_.cableInto({*lineOut, "right"}))
                            if (auto done = put(MoveCable{other->id, other->from, {mixer, right->id}}); !done)
                                return done;
                    ++plan_.taken;
                }
                const auto lead = [&](const std::string& from, const char* to) -> Result<void> {
                    const JackInfo* jack = panelOutput(*seat.part, seat.block, from);
                    if (!jack || now_.cableInto({*lineOut, to})) return {};
                    return addCable({mixer, jack->id}, {*lineOut, to}, {}, "Mix", {});
                };
                const bool stereo = type.id == "stereo-mixer";
                if (auto done = lead(stereo ? "bus-left" : "mix", "left"); !done) return done;
                if (stereo)
                    if (auto done = lead("bus-right", "right"); !done) return done;
                break;
            }
        }
        return {};
    }

    Result<void> addCable(const JackRef& from, const JackRef& to, const std::string& voice, const std::string& step,
                          const std::string& note) {
        Cable cable;
        cable.id = now_.freshCableId();
        cable.from = from;
        cable.to = to;
        cable.voice = voice;
        cable.step = step;
        cable.note = note;
        if (auto done = put(TieCable{cable, 0}); !done) return done;
        ++plan_.tied;
        plan_.cables.push_back({from, to});
        return {};
    }

    /// What a row says of itself: why it is tied, and what is heard, seen or read then.
    static std::string whatToKnow(const RecipeCable& cable) {
        if (cable.note.empty() || cable.check.empty()) return cable.note + cable.check;
        return cable.note + " " + cable.check;
    }

    Result<void> tie() {
        for (std::size_t c = 0; c < recipe_.cables.size(); ++c) {
            const RecipeCable& cable = recipe_.cables[c];
            if (plan_.allotment.routings[c].way != Routing::Way::Tie) continue;
            const Seat& a = *plan_.allotment.of(cable.from.role)->seat;
            const Seat& b = *plan_.allotment.of(cable.to.role)->seat;
            const JackRef from{plan_.posts.at(cable.from.role), a.jack(cable.from.word, true)->id};
            const JackRef to{plan_.posts.at(cable.to.role), b.jack(cable.to.word, false)->id};
            const Role& last = *recipe_.role(cable.to.role);
            // Two lines of one sequencer have their clock in common.
            if (const Cable* there = now_.cableInto(to); there && there->from == from) {
                plan_.allotment.routings[c].way = Routing::Way::ThereAlready;
                continue;
            }
            // What runs in the whole patch is not of one voice.
            const bool common = recipe_.role(cable.from.role)->shared && last.plays == "track";
            if (auto done = addCable(from, to, common ? std::string() : plan_.voice, cable.step, whatToKnow(cable));
                !done)
                return done;
        }
        return {};
    }

    Result<double> knobValueOf(const RecipeKnob& wanted, const KnobInfo& knob, const std::string& is) const {
        std::optional<double> value;
        if (wanted.to.starts_with('=')) {
            auto worked = evaluate(wanted.to.substr(1), values_);
            if (!worked) return worked;
            value = *worked;
        } else {
            value = knob.scale.parse(wanted.to, values_.at("tempo"));
            if (!value)
                if (const auto asNumber = Scale{}.parse(wanted.to)) value = *asNumber;
            if (!value)
                return failure(say("{}: \"{}\" is nothing that {} can stand at", wanted.at.role, wanted.to, knob.name));
        }
        if (is.empty()) return *value;
        Values one = values_;
        one["v"] = *value;
        return evaluate(is, one);
    }

    Result<void> turn(const std::string& role, const KnobInfo& knob, double value) {
        if (knob.momentary) return {};
        const std::string& post = plan_.posts.at(role);
        double put_ = std::clamp(value, knob.scale.min, knob.scale.max);
        if (knob.scale.taper == Taper::Switch) put_ = std::round(put_);
        if (std::abs(put_ - value) > 1e-6 + 1e-3 * std::abs(value) && knob.scale.taper != Taper::Switch)
            plan_.remarks.push_back(say("{} stops at {}; {} was wished", knob.name, knob.scale.text(put_),
                                        Scale{knob.scale.unit, value, value + 1.0}.text(value)));
        if (now_.post(post)->locked.contains(knob.id)) return {};
        if (auto done = put(SetKnob{post, knob.id, put_}); !done) return done;
        return {};
    }

    Result<void> turnKnobs() {
        for (const Role& role : recipe_.roles) {
            const Seat& seat = *plan_.allotment.of(role.id)->seat;
            for (const auto& [control, words] : seat.provider->set) {
                const KnobInfo* knob = seat.controlKnob(withChannel(control, seat.channel));
                if (!knob) continue;
                auto value = knob->scale.parse(words);
                if (!value) value = Scale{}.parse(words);
                if (value)
                    if (auto done = turn(role.id, *knob, *value); !done) return done;
            }
        }
        for (const RecipeKnob& wanted : recipe_.knobs) {
            const Role& role = *recipe_.role(wanted.at.role);
            const Seat& seat = *plan_.allotment.of(role.id)->seat;
            if (role.shared && !fresh_.contains(plan_.posts.at(role.id))) continue; // it runs as it is
            const auto knobs = seat.knobs(wanted.at.word);
            if (knobs.empty()) continue;
            for (const auto& [knob, is] : knobs) {
                auto value = knobValueOf(wanted, *knob, is);
                if (!value) return tl::unexpected(value.error());
                if (auto done = turn(role.id, *knob, *value); !done) return done;
            }
        }
        return {};
    }

    Result<void> writeLines() {
        for (const RecipeLine& line : recipe_.lines) {
            auto what = stepsOfLine(line, values_);
            if (!what) return tl::unexpected(what.error());
            if (auto done = writeLine(line, *what); !done) return done;
        }
        for (const RecipePlayed& played : recipe_.played) {
            const Seat& seat = *plan_.allotment.of(played.role)->seat;
            if (!seat.part->blocks[static_cast<std::size_t>(seat.block)].type->isPlayed) continue;
            auto performance = withPlayed(playedAt(plan_.posts.at(played.role)), recipe_, played, values_);
            if (!performance) return tl::unexpected(performance.error());
            if (auto done = put(SetPerformance{Shared<Performance>(std::move(*performance))}); !done) return done;
        }
        return {};
    }

    [[nodiscard]] Performance playedAt(const std::string& post) const {
        if (const Performance* there = now_.performance(post)) return *there;
        Performance none;
        none.post = post;
        return none;
    }

    Result<void> writeLine(const RecipeLine& line, const LineSteps& what) {
        const Seat& seat = *plan_.allotment.of(line.role)->seat;
        const std::string& post = plan_.posts.at(line.role);
        const BlockType& type = *seat.part->blocks[static_cast<std::size_t>(seat.block)].type;
        if (type.id == "trigger-pattern") {
            const auto full =
                static_cast<double>(std::ranges::count_if(what.hits, [](Hit h) { return h != Hit::Rest; }));
            for (const auto& [word, value] :
                 {std::pair{"length", static_cast<double>(what.hits.size())}, {"fill", full}})
                if (const KnobInfo* knob = seat.controlKnob(word))
                    if (auto value_ = knob->scale.parse(fmt::format("{:g}", value)))
                        if (auto done = turn(line.role, *knob, *value_); !done) return done;
            return {};
        }
        if (type.isPlayed) {
            return put(SetPerformance{Shared<Performance>(
                withPressed(playedAt(post), what.steps, line.stride.division, values_.at("tempo")))});
        }
        if (!type.playsPattern) return {};
        const auto hitWord = seat.provider->jacks.find("hit");
        const bool lane = hitWord != seat.provider->jacks.end() && hitWord->second.starts_with("drum");
        const int index = type.id == "track-sequencer" ? seat.channel - 1 : 0; // others have one line
        return put(
            SetPattern{Shared<Pattern>(withRecipeLine(patternOf(now_, post), lane, index, line, what, plan_.voice))});
    }

    /// The longest stretches choose first, each the shortest cable that reaches: that way nothing is short that need
    /// not be.
    void chooseCables() {
        std::vector<CableStock> left = site_.housing->cables;
        std::ranges::sort(left, {}, &CableStock::lengthCm);
        for (const Cable& cable : now_.cables) {
            if (cable.lengthCm <= 0) continue;
            for (CableStock& stock : left)
                if (stock.lengthCm == cable.lengthCm && stock.colour == cable.colour) --stock.count;
        }
        std::vector<PlannedCable*> order;
        for (PlannedCable& cable : plan_.cables) {
            cable.needs = cableWay(*site_.housing, *site_.library, now_.post(cable.from.post)->slot,
                                   now_.post(cable.to.post)->slot)
                              .value_or(0.0);
            order.push_back(&cable);
        }
        std::ranges::stable_sort(order, std::greater{}, [](const PlannedCable* one) { return one->needs; });
        for (PlannedCable* cable : order) {
            const auto it = std::ranges::find_if(
                left, [&](const CableStock& stock) { return stock.count > 0 && stock.lengthCm >= cable->needs; });
            if (it == left.end()) {
                plan_.remarks.push_back(say("no cable of {:.0f} cm is left for {} to {}", cable->needs,
                                            cable->from.text(), cable->to.text()));
                continue;
            }
            --it->count;
            cable->taken = {it->lengthCm, it->colour, 1};
            const Cable* there = now_.cableInto(cable->to);
            (void)put(DescribeCable{there->id, there->note, it->lengthCm, it->colour});
        }
    }

    const Recipe& recipe_;
    const Values& values_;
    const Site& site_;
    const AllotAsk& ask_;
    Patch now_;
    Plan plan_;
    std::set<std::string> fresh_; ///< posts that are new, or begin anew
};

} // namespace

Result<Plan> makePlan(const Recipe& recipe, const Values& values, const Site& site, const AllotAsk& ask,
                      Allotment allotment, const std::string& voice) {
    if (!allotment.complete()) return failure(say("somebody has to play every role first"));
    return Planner(recipe, values, site, ask).make(std::move(allotment), voice);
}

} // namespace lariat
