#include "log/differences.h"

#include "library/check.h"
#include "library/meaning.h"
#include "model/edit.h"
#include "timing/pattern_edits.h"
#include "timing/scenes.h"
#include "units/pitch.h"

#include <algorithm>
#include <cmath>
#include <set>

namespace lariat {
namespace {

constexpr const char* kArrow = "→";
constexpr std::size_t kStepsTold = 3; ///< one by one; more are counted
constexpr double kMinutesOfTravel = 600.0;

std::string orNone(const std::string& text) {
    return text.empty() ? "–" : text;
}

Sentence fromTo(const std::string& was, const std::string& is) {
    return plain(fmt::format("{} {} {}", orNone(was), kArrow, orNone(is)));
}

class Comparison {
    using Group = Difference::Group;

  public:
    Comparison(const Patch& a, const Patch& b, const Library& library)
        : a_(a), b_(b), library_(library), in_(takeApart(a)), out_(takeApart(b)) {
        for (AspectKey& key : differingAspects(in_, out_)) left_.insert(std::move(key));
    }

    std::vector<Difference> all() {
        head();
        posts();
        cables();
        for (const Post& post : a_.posts)
            if (const Post* now = b_.post(post.id)) {
                words(post, *now);
                knobs(post, *now);
            }
        for (const Post& post : a_.posts)
            if (b_.post(post.id)) pattern(post.id);
        for (const Post& post : a_.posts)
            if (b_.post(post.id))
                if (auto keys = taken("performances", post.id); !keys.empty())
                    tell(Group::Played, say("{} is played otherwise", b_.post(post.id)->name), std::move(keys)).post =
                        post.id;
        scenes();
        remembered();
        smallPrint();
        std::ranges::stable_sort(told_, {}, &Difference::group);
        return std::move(told_);
    }

  private:
    Difference& tell(Group group, Sentence text, std::vector<AspectKey> keys) {
        told_.push_back({.group = group, .text = std::move(text), .keys = std::move(keys)});
        return told_.back();
    }

    /// The keys of an element, or those among them that `which` wants, that are different and not told of yet.
    template <class Which>
    std::vector<AspectKey> taken(const std::string& list, const std::string& element, Which which) {
        std::vector<AspectKey> keys;
        for (auto at = left_.lower_bound({list, element, {}});
             at != left_.end() && at->list == list && at->element == element;)
            if (which(at->field)) {
                keys.push_back(*at);
                at = left_.erase(at);
            } else {
                ++at;
            }
        return keys;
    }
    std::vector<AspectKey> taken(const std::string& list, const std::string& element) {
        return taken(list, element, [](const std::string&) { return true; });
    }
    std::vector<AspectKey> takenField(const std::string& list, const std::string& element, const std::string& field) {
        return taken(list, element, [&](const std::string& one) { return one == field; });
    }

    [[nodiscard]] static std::string text(const Aspects& of, const AspectKey& key) {
        const Json* value = of.value(key);
        return !value ? "" : value->is_string() ? value->get<std::string>() : value->dump();
    }
    [[nodiscard]] Sentence fromTo(const AspectKey& key) const {
        return lariat::fromTo(text(in_, key), text(out_, key));
    }

    void head() {
        if (auto keys = takenField("", "", "title"); !keys.empty())
            tell(Group::Patch, say("the title: {} → {}", a_.title, b_.title), std::move(keys));
        if (auto keys = takenField("", "", "key"); !keys.empty())
            tell(Group::Patch, say("the key: {} → {}", orNone(a_.key), orNone(b_.key)), std::move(keys));
        if (auto keys = takenField("", "", "case"); !keys.empty())
            tell(Group::Patch, say("the case: {} → {}", a_.caseId, b_.caseId), std::move(keys));
        if (auto keys = takenField("", "", "seed"); !keys.empty())
            tell(Group::Patch, say("chance begins elsewhere"), std::move(keys)).figure =
                plain(fmt::format("{} {} {}", a_.seed, kArrow, b_.seed));
        if (auto keys = takenField("", "", "about"); !keys.empty())
            tell(Group::Notes, say("what is said of the patch: {} → {}", orNone(a_.about), orNone(b_.about)),
                 std::move(keys));
    }

    void posts() {
        for (const Post& post : a_.posts)
            if (!b_.post(post.id))
                tell(Group::Posts, say("only before: {} ({})", post.name, post.module), taken("posts", post.id)).post =
                    post.id;
        for (const Post& post : b_.posts)
            if (!a_.post(post.id))
                tell(Group::Posts, say("only after: {} ({})", post.name, post.module), taken("posts", post.id)).post =
                    post.id;
    }

    /// What is written of a post, and where it sits.
    void words(const Post& was, const Post& is) {
        const auto field = [&](const char* name, Group group, auto sentence) {
            if (auto keys = takenField("posts", was.id, name); !keys.empty())
                tell(group, sentence(), std::move(keys)).post = was.id;
        };
        if (auto keys = taken("posts", was.id,
                              [](const std::string& f) { return f == "slot" || f == "module" || f == "part"; });
            !keys.empty()) {
            Difference& told = tell(Group::Posts, say("{} sits elsewhere", is.name), std::move(keys));
            told.figure = plain(fmt::format("{} {} {} {} {}", was.slot, was.part, kArrow, is.slot, is.part));
            told.post = was.id;
        }
        field("name", Group::Posts, [&] { return say("{} is called {}", was.name, is.name); });
        field("voice", Group::Posts,
              [&] { return say("{} is of voice {}, was of {}", is.name, orNone(is.voice), orNone(was.voice)); });
        field("sample", Group::Knobs,
              [&] { return say("{} plays: {} → {}", is.name, orNone(was.sample), orNone(is.sample)); });
        field("tuning", Group::Knobs,
              [&] { return say("{} is tuned by: {} → {}", is.name, orNone(was.tuning), orNone(is.tuning)); });
        field("note", Group::Notes,
              [&] { return say("the note on {}: {} → {}", is.name, orNone(was.note), orNone(is.note)); });
    }

    void cables() {
        // A cable that is in another jack now, by its number and where it comes from.
        for (const Cable& was : a_.cables) {
            if (b_.cableInto(was.to)) continue;
            const Cable* is = b_.cable(was.id);
            if (!is || is->from != was.from || a_.cableInto(is->to)) continue;
            std::vector<AspectKey> keys = taken("cables", was.to.text());
            for (AspectKey& key : taken("cables", is->to.text())) keys.push_back(std::move(key));
            tellCable(Group::Cables,
                      say("cable {} from {} goes to {}, not to {}", b_.row(is->id), jack(b_, is->from),
                          jack(b_, is->to), jack(a_, was.to)),
                      std::move(keys), b_.row(is->id), is->to.post);
        }
        for (const Cable& was : a_.cables)
            if (!b_.cableInto(was.to))
                if (auto keys = taken("cables", was.to.text()); !keys.empty())
                    tellCable(Group::Cables, say("unplugged: {} to {}", jack(a_, was.from), jack(a_, was.to)),
                              std::move(keys), a_.row(was.id), was.to.post);
        for (const Cable& is : b_.cables) {
            const Cable* was = a_.cableInto(is.to);
            const int row = b_.row(is.id);
            const std::string element = is.to.text();
            if (!was) {
                if (auto keys = taken("cables", element); !keys.empty())
                    tellCable(Group::Cables, say("tied: {} to {}", jack(b_, is.from), jack(b_, is.to)), std::move(keys),
                              row, is.to.post);
                continue;
            }
            if (auto keys = takenField("cables", element, "from"); !keys.empty())
                tellCable(Group::Cables,
                          say("cable {} into {} moved from {} to {}", row, jack(b_, is.to), jack(a_, was->from),
                              jack(b_, is.from)),
                          std::move(keys), row, is.to.post);
            if (auto keys = taken("cables", element,
                                  [](const std::string& field) { return field == "length" || field == "colour"; });
                !keys.empty())
                tellCable(Group::Cables, say("cable {} is another one of the bag", row), std::move(keys), row,
                          is.to.post)
                    .figure = lariat::fromTo(bagText(*was), bagText(is));
            if (auto keys = taken("cables", element,
                                  [](const std::string& field) { return field == "voice" || field == "step"; });
                !keys.empty())
                tellCable(Group::Cables, say("cable {} stands under another heading", row), std::move(keys), row,
                          is.to.post)
                    .figure = lariat::fromTo(headingText(*was), headingText(is));
            if (auto keys = takenField("cables", element, "note"); !keys.empty())
                tellCable(Group::Notes, say("the note on cable {}: {} → {}", row, orNone(was->note), orNone(is.note)),
                          std::move(keys), row, is.to.post);
        }
        if (auto keys = takenField("cables", "", kOrder); !keys.empty())
            tell(Group::SmallPrint, say("rows are tied in another order"), std::move(keys));
    }

    Difference& tellCable(Group group, Sentence text, std::vector<AspectKey> keys, int row, const std::string& post) {
        Difference& told = tell(group, std::move(text), std::move(keys));
        told.row = row;
        told.post = post;
        return told;
    }

    static std::string bagText(const Cable& cable) {
        if (cable.lengthCm == 0) return cable.colour;
        return cable.colour.empty() ? fmt::format("{} cm", cable.lengthCm)
                                    : fmt::format("{} cm {}", cable.lengthCm, cable.colour);
    }
    static std::string headingText(const Cable& cable) {
        return cable.step.empty() ? cable.voice : fmt::format("{} · {}", cable.voice, cable.step);
    }

    void knobs(const Post& was, const Post& is) {
        const PartInfo* part = library_.part(is);
        if (!part || was.module != is.module || was.part != is.part) return;
        for (const KnobInfo& knob : part->knobs) {
            auto keys = taken("posts", is.id, [&](const std::string& field) {
                return field == "knobs/" + knob.id || field == "unknown/" + knob.id;
            });
            if (!keys.empty()) this->knob(was, is, *part, knob, std::move(keys));
            if (auto noted = takenField("posts", is.id, "knob-notes/" + knob.id); !noted.empty())
                tell(Group::Notes,
                     say("the note on {} {}: {}", is.name, knob.name,
                         fromTo(AspectKey{"posts", is.id, "knob-notes/" + knob.id}).str()),
                     std::move(noted))
                    .post = is.id;
            if (auto locked = takenField("posts", is.id, "locked/" + knob.id); !locked.empty())
                tell(Group::Notes,
                     is.locked.contains(knob.id) ? say("{} {} is locked", is.name, knob.name)
                                                 : say("{} {} is not locked any more", is.name, knob.name),
                     std::move(locked))
                    .post = is.id;
        }
    }

    void knob(const Post& was, const Post& is, const PartInfo& part, const KnobInfo& knob,
              std::vector<AspectKey> keys) {
        const KnobInForce before = knobInForce(a_, was, part, knob);
        const KnobInForce after = knobInForce(b_, is, part, knob);
        const bool unknownWas = was.unknown.contains(knob.id);
        const bool unknownIs = is.unknown.contains(knob.id);
        const std::string& name = *after.name;
        const Sentence figure = lariat::fromTo(before.scale->text(before.value), after.scale->text(after.value));
        Difference& told = tell(Group::Knobs, {}, std::move(keys));
        told.post = is.id;
        if (unknownWas && !unknownIs) {
            told.text = say("{} {} is known now", is.name, name);
            told.figure = plain(after.scale->text(after.value));
        } else if (unknownIs && !unknownWas) {
            told.text = say("{} {} is not known any more", is.name, name);
        } else if (unknownIs && was.unknown.at(knob.id) != is.unknown.at(knob.id)) {
            told.text = say("{} {} may stand elsewhere", is.name, name);
            told.figure = lariat::fromTo(rangeText(was, knob), rangeText(is, knob));
        } else if (unknownIs) {
            told.text = say("{} {} is tried elsewhere", is.name, name);
            told.figure = figure;
        } else {
            const double minutes =
                kMinutesOfTravel * (after.scale->toFraction(after.value) - before.scale->toFraction(before.value));
            if (knobValue(was, knob) == knobValue(is, knob)) { // one of the two does not write it down
                left_.insert(told.keys.begin(), told.keys.end());
                told_.pop_back();
            } else if (knob.scale.taper == Taper::Switch || std::abs(minutes) < 0.5 || before.scale != after.scale) {
                told.text = say("{} {}: {} → {}", is.name, name, before.scale->text(before.value),
                                after.scale->text(after.value));
            } else {
                told.text = say("{} {} {:+.0f} minutes", is.name, name, minutes);
                told.figure = figure;
            }
        }
    }

    static std::string rangeText(const Post& post, const KnobInfo& knob) {
        const Unknown& range = post.unknown.at(knob.id);
        if (!range.low && !range.high) return {};
        return fmt::format("{}…{}", knob.scale.text(range.low.value_or(knob.scale.min)),
                           knob.scale.text(range.high.value_or(knob.scale.max)));
    }

    // Patterns: line by line, step by step.

    void pattern(const std::string& post) {
        if (!in_.has("patterns", post) || !out_.has("patterns", post)) {
            if (auto keys = taken("patterns", post); !keys.empty()) {
                Difference& told = tell(Group::Pattern,
                                        in_.has("patterns", post) ? say("{} plays no steps any more", name(post))
                                                                  : say("{} plays steps", name(post)),
                                        std::move(keys));
                told.post = post;
                if (const Pattern* now = b_.pattern(post)) told.details = linesOf(*now);
            }
            return;
        }
        const Pattern& before = *a_.pattern(post);
        const Pattern& after = *b_.pattern(post);
        const auto variations = 1 + std::max(before.others.size(), after.others.size());
        for (std::size_t v = 0; v < variations; ++v) {
            const auto number = static_cast<int>(v);
            const auto lines = [&](bool lane, std::size_t count) {
                for (std::size_t i = 0; i < count; ++i) line(before, after, {post, lane, static_cast<int>(i)}, number);
            };
            lines(false, std::max(before.tracksOf(number).size(), after.tracksOf(number).size()));
            lines(true, std::max(before.lanesOf(number).size(), after.lanesOf(number).size()));
        }
    }

    static std::string fieldOf(const LineRef& at, int variation) {
        const std::string line = fmt::format("{}/{:04}", at.lane ? "lanes" : "tracks", at.index);
        return variation == 0 ? line : fmt::format("variations/{}/{}", variation - 1, line);
    }

    void line(const Pattern& before, const Pattern& after, const LineRef& at, int variation) {
        auto keys = takenField("patterns", at.post, fieldOf(at, variation));
        if (keys.empty()) return;
        const auto letter = static_cast<char>('A' + variation);
        Difference& told = tell(Group::Pattern,
                                at.lane ? say("{} lane {} {}", name(at.post), at.index + 1, letter)
                                        : say("{} track {} {}", name(at.post), at.index + 1, letter),
                                std::move(keys));
        told.post = at.post;
        const std::string was = lineText(before, at, variation);
        const std::string is = lineText(after, at, variation);
        if (was.empty() || is.empty())
            told.details.push_back(is.empty() ? say("is not written any more") : plain(is));
        else if (was != is)
            at.lane ? hits(told, before, after, at, variation) : steps(told, before, after, at, variation);
        const Stride* one = strideOf(before, at, variation);
        const Stride* other = strideOf(after, at, variation);
        if (one && other && *one != *other) told.details.push_back(say("goes through its steps otherwise"));
        if (!told.details.empty()) return;
        if (in_.value(told.keys[0]) && out_.value(told.keys[0])) {
            told.details.push_back(say("is called otherwise"));
        } else { // a variation that plays as A did: written down, and no other
            left_.insert(told.keys.begin(), told.keys.end());
            told_.pop_back();
        }
    }

    void steps(Difference& told, const Pattern& before, const Pattern& after, const LineRef& at, int variation) {
        const auto index = static_cast<std::size_t>(at.index);
        const Steps& was = before.tracksOf(variation)[index].steps;
        const Steps& is = after.tracksOf(variation)[index].steps;
        const std::set<int> other = differing(was, is);
        count(told, other.size(), was.size(), is.size());
        if (other.size() > kStepsTold) return;
        for (const int step : other) {
            const auto i = static_cast<std::size_t>(step);
            if (i >= was.size() || i >= is.size()) continue; // the lengths say it
            told.details.push_back(stepText(step + 1, was[i], is[i]));
        }
    }

    static Sentence stepText(int number, const Step& was, const Step& is) {
        if (was.kind == is.kind && is.kind == Step::Kind::Note && was.note != is.note) {
            Step moved = was;
            moved.note = is.note;
            if (moved == is && is.note == was.note + 12) return say("step {} an octave up", number);
            if (moved == is && is.note == was.note - 12) return say("step {} an octave down", number);
        }
        if (is.unknown && !was.unknown) return say("step {} is not known any more", number);
        if (is.kind == Step::Kind::Rest && !is.unknown) return say("step {} rests", number);
        if (is.kind == Step::Kind::Tie && was.kind != is.kind) return say("step {} is tied", number);
        return say("step {}: {} → {}", number, writeStepShort(was), writeStepShort(is));
    }
    static std::string writeStepShort(const Step& step) {
        Pattern one{{}, {{"", {step}}}, {}};
        return lineText(one, {{}, false, 0}, 0);
    }

    void hits(Difference& told, const Pattern& before, const Pattern& after, const LineRef& at, int variation) {
        const auto index = static_cast<std::size_t>(at.index);
        const Hits& was = before.lanesOf(variation)[index].hits;
        const Hits& is = after.lanesOf(variation)[index].hits;
        const std::set<int> other = differing(was, is);
        count(told, other.size(), was.size(), is.size());
        if (other.size() > kStepsTold) return;
        for (const int step : other) {
            const auto i = static_cast<std::size_t>(step);
            if (i >= was.size() || i >= is.size()) continue;
            told.details.push_back(is[i] == Hit::Rest      ? say("step {} rests", step + 1)
                                   : is[i] == Hit::Accent  ? say("step {} is an accent", step + 1)
                                   : is[i] == Hit::Unknown ? say("step {} is not known", step + 1)
                                                           : say("step {} is a hit", step + 1));
        }
    }

    void count(Difference& told, std::size_t others, std::size_t was, std::size_t is) {
        if (was != is) told.details.push_back(say("{} steps, were {}", is, was));
        told.figure = say("{} of {} steps", others, std::max(was, is));
    }

    static std::vector<Sentence> linesOf(const Pattern& pattern) {
        std::vector<Sentence> out;
        for (std::size_t t = 0; t < pattern.tracks.size(); ++t)
            out.push_back(plain(lineText(pattern, {pattern.post, false, static_cast<int>(t)}, 0)));
        for (std::size_t l = 0; l < pattern.lanes.size(); ++l)
            out.push_back(plain(lineText(pattern, {pattern.post, true, static_cast<int>(l)}, 0)));
        return out;
    }

    void scenes() {
        for (const std::string& name : elements("scenes")) {
            auto keys = taken("scenes", name);
            if (keys.empty()) continue;
            if (!out_.has("scenes", name)) {
                tell(Group::Scenes, say("no scene {} any more", name), std::move(keys));
                continue;
            }
            if (!in_.has("scenes", name)) {
                tell(Group::Scenes, say("scene {} is new", name), std::move(keys));
                continue;
            }
            Difference& told = tell(Group::Scenes, say("scene {}", name), std::move(keys));
            for (const AspectKey& key : told.keys) {
                if (key.field == "bars")
                    told.details.push_back(say("{} bars, were {}", text(out_, key), text(in_, key)));
                else if (key.field == "repeats")
                    told.details.push_back(say("{} times, were {}", orOne(text(out_, key)), orOne(text(in_, key))));
                else if (key.field == "posts")
                    told.details.push_back(say("other knobs are set when it begins"));
                else if (key.field == "moves")
                    told.details.push_back(say("the hands move otherwise"));
            }
        }
        if (auto keys = takenField("scenes", "", kOrder); !keys.empty())
            tell(Group::Scenes, say("scenes follow in another order"), std::move(keys));
    }
    static std::string orOne(const std::string& text) { return text.empty() ? "1" : text; }

    void remembered() {
        const auto each = [&](const char* list, auto sentence) {
            for (const std::string& one : elements(list))
                if (auto keys = taken(list, one); !keys.empty())
                    tell(Group::Notes, sentence(one, out_.has(list, one)), std::move(keys));
        };
        for (const std::string& one : elements("open-ends")) {
            auto keys = taken("open-ends", one);
            if (keys.empty()) continue;
            const bool now = out_.has("open-ends", one);
            const Patch& of = now ? b_ : a_;
            const auto end = std::ranges::find(of.openEnds, one, [](const OpenEnd& e) { return std::to_string(e.id); });
            if (end == of.openEnds.end()) continue; // its order alone
            Difference& told = tell(Group::Cables,
                                    now ? say("nobody knows where the cable at {} goes", jack(of, end->at))
                                        : say("the cable at {} has no open end any more", jack(of, end->at)),
                                    std::move(keys));
            told.post = end->at.post;
            if (now && !end->written.empty()) told.figure = plain(end->written);
        }
        each("dismissed", [](const std::string& one, bool now) {
            const std::string rule = one.substr(0, one.find('\n'));
            return now ? say("a finding is meant: {}", rule) : say("a finding speaks again: {}", rule);
        });
        each("controllers", [](const std::string& one, bool now) {
            return now ? say("a controller turns {}", one) : say("no controller turns {} any more", one);
        });
        each("settings", [](const std::string& one, bool now) {
            return now ? say("kept as {}: knobs stand otherwise", one) : say("nothing is kept as {} any more", one);
        });
        std::vector<AspectKey> keys;
        for (const std::string& one : elements("headings"))
            for (AspectKey& key : taken("headings", one)) keys.push_back(std::move(key));
        if (!keys.empty()) tell(Group::SmallPrint, say("headings look otherwise"), std::move(keys));
    }

    void smallPrint() {
        if (left_.empty()) return;
        tell(Group::SmallPrint, say("small print, such as the order of posts"), {left_.begin(), left_.end()});
    }

    /// Of both, those of b first.
    [[nodiscard]] std::vector<std::string> elements(const std::string& list) const {
        std::vector<std::string> all;
        for (const Aspects* aspects : {&out_, &in_})
            if (const auto order = aspects->order.find(list); order != aspects->order.end())
                for (const std::string& one : order->second)
                    if (std::ranges::find(all, one) == all.end()) all.push_back(one);
        return all;
    }

    [[nodiscard]] const std::string& name(const std::string& post) const {
        return b_.post(post) ? b_.post(post)->name : post;
    }

    [[nodiscard]] std::string jack(const Patch& patch, const JackRef& ref) const {
        const Post* post = patch.post(ref.post);
        const JackInfo* info = library_.jack(patch, ref);
        return (post ? post->name : ref.post) + " " + (info ? info->name : ref.jack);
    }

    const Patch& a_;
    const Patch& b_;
    const Library& library_;
    Aspects in_;               ///< of a
    Aspects out_;              ///< of b
    std::set<AspectKey> left_; ///< what differs and is not told of yet
    std::vector<Difference> told_;
};

/// All that `b` knows of a post.
void addPost(std::vector<AspectKey>& keys, const Aspects& b, const std::string& post) {
    for (auto at = b.all.lower_bound({"posts", post, {}});
         at != b.all.end() && at->first.list == "posts" && at->first.element == post; ++at)
        keys.push_back(at->first);
}

} // namespace

std::vector<Difference> differences(const Patch& a, const Patch& b, const Library& library) {
    return Comparison(a, b, library).all();
}

Sentence groupName(Difference::Group group) {
    using Group = Difference::Group;
    switch (group) {
    case Group::Patch:
        return say("Patch");
    case Group::Posts:
        return say("Posts");
    case Group::Cables:
        return say("Cables");
    case Group::Knobs:
        return say("Knobs");
    case Group::Pattern:
        return say("Pattern");
    case Group::Played:
        return say("Played");
    case Group::Scenes:
        return say("Scenes");
    case Group::Notes:
        return say("Notes");
    case Group::SmallPrint:
        break;
    }
    return say("Small print");
}

std::string inOneLine(const Difference& difference, const Speaker& speak) {
    std::string out = speak(difference.text);
    for (std::size_t i = 0; i < difference.details.size(); ++i)
        out += (i == 0 ? ": " : "; ") + speak(difference.details[i]);
    return difference.figure.empty() ? out : fmt::format("{} ({})", out, speak(difference.figure));
}

Result<Patch> broughtOver(const Patch& a, const Patch& b, const std::vector<Difference>& chosen,
                          const Library& library) {
    const Aspects wanted = takeApart(b);
    std::vector<AspectKey> keys;
    std::set<std::string> going;
    for (const Difference& one : chosen)
        for (const AspectKey& key : one.keys) {
            keys.push_back(key);
            if (key.list == "posts" && !key.element.empty() && !b.post(key.element)) going.insert(key.element);
        }
    for (std::size_t i = 0; i < keys.size(); ++i) {
        if (keys[i].list == "open-ends" && !keys[i].element.empty())
            for (const OpenEnd& end : b.openEnds)
                if (std::to_string(end.id) == keys[i].element && !a.post(end.at.post))
                    addPost(keys, wanted, end.at.post);
        if (keys[i].list != "cables" || keys[i].element.empty()) continue;
        const Cable* cable = nullptr;
        for (const Cable& one : b.cables)
            if (one.to.text() == keys[i].element) cable = &one;
        if (!cable) continue;
        for (const std::string& post : {cable->from.post, cable->to.post})
            if (!a.post(post)) addPost(keys, wanted, post);
    }
    // A post that goes takes along what belongs to it, as when it is removed by hand; so it goes last.
    std::vector<AspectKey> first = keys;
    std::erase_if(first, [&](const AspectKey& key) { return key.list == "posts" && going.contains(key.element); });
    auto made = putTogether(takenOver(takeApart(a), wanted, first));
    if (!made) return made;
    if (!going.empty()) {
        for (const std::string& post : going)
            if (auto without = applyEdit(*made, RemovePost{post})) made = std::move(without);
        made = putTogether(takenOver(takeApart(*made), wanted, keys));
        if (!made) return made;
    }
    return checkPatch(std::move(*made), library);
}

} // namespace lariat
