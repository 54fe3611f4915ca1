#include "building/differences.h"

#include "timing/pattern_edits.h"

#include <algorithm>
#include <iterator>
#include <set>

namespace lariat {
namespace {

class Comparison {
  public:
    Comparison(const Patch& a, const Patch& b, const Library& library) : a_(a), b_(b), library_(library) {}

    std::vector<Sentence> all() {
        head();
        posts();
        cables();
        knobs();
        for (const std::string& post : patterned()) pattern(post);
        performances();
        if (a_.scenes != b_.scenes) out_.push_back(say("the scenes are others"));
        return std::move(out_);
    }

  private:
    void head() {
        if (a_.title != b_.title) out_.push_back(say("the title: {} → {}", a_.title, b_.title));
        if (a_.key != b_.key) out_.push_back(say("the key: {} → {}", orNone(a_.key), orNone(b_.key)));
        if (a_.caseId != b_.caseId) out_.push_back(say("the case: {} → {}", a_.caseId, b_.caseId));
    }

    void posts() {
        for (const Post& post : a_.posts)
            if (!b_.post(post.id)) out_.push_back(say("only before: {} ({})", post.name, post.module));
        for (const Post& post : b_.posts)
            if (!a_.post(post.id)) out_.push_back(say("only after: {} ({})", post.name, post.module));
    }

    void cables() {
        using Ends = std::pair<JackRef, JackRef>;
        const auto endsOf = [](const Patch& patch) {
            std::set<Ends> all;
            for (const Cable& cable : patch.cables) all.emplace(cable.from, cable.to);
            return all;
        };
        const std::set<Ends> before = endsOf(a_);
        const std::set<Ends> after = endsOf(b_);
        for (const Cable& cable : a_.cables)
            if (!after.contains({cable.from, cable.to}))
                out_.push_back(say("unplugged: {} to {}", jack(a_, cable.from), jack(a_, cable.to)));
        for (const Cable& cable : b_.cables)
            if (!before.contains({cable.from, cable.to}))
                out_.push_back(say("tied: {} to {}", jack(b_, cable.from), jack(b_, cable.to)));
    }

    void knobs() {
        for (const Post& post : a_.posts) {
            const Post* now = b_.post(post.id);
            if (!now || now->module != post.module || now->part != post.part) continue;
            for (const KnobInfo& knob : library_.part(post)->knobs) {
                const double was = knobValue(post, knob);
                const double is = knobValue(*now, knob);
                if (was != is)
                    out_.push_back(
                        say("{} {}: {} → {}", now->name, knob.name, knob.scale.text(was), knob.scale.text(is)));
            }
            if (post.sample != now->sample)
                out_.push_back(say("{} plays: {} → {}", now->name, orNone(post.sample), orNone(now->sample)));
            if (post.tuning != now->tuning)
                out_.push_back(say("{} is tuned by: {} → {}", now->name, orNone(post.tuning), orNone(now->tuning)));
        }
    }

    [[nodiscard]] std::vector<std::string> patterned() const {
        std::vector<std::string> all;
        for (const Patch* patch : {&a_, &b_})
            for (const Post& post : patch->posts)
                if (a_.post(post.id) && b_.post(post.id) && std::ranges::find(all, post.id) == all.end())
                    all.push_back(post.id);
        return all;
    }

    /// Each line that is written other, in each variation that one of the two has.
    void pattern(const std::string& post) {
        const Pattern before = patternOf(a_, post);
        const Pattern after = patternOf(b_, post);
        if (before == after) return;
        const std::string& name = b_.post(post)->name;
        const auto variations = static_cast<int>(1 + std::max(before.others.size(), after.others.size()));
        for (int v = 0; v < variations; ++v) {
            const auto tracks = std::max(before.tracksOf(v).size(), after.tracksOf(v).size());
            for (std::size_t i = 0; i < tracks; ++i) line(name, before, after, {post, false, static_cast<int>(i)}, v);
            const auto lanes = std::max(before.lanesOf(v).size(), after.lanesOf(v).size());
            for (std::size_t i = 0; i < lanes; ++i) line(name, before, after, {post, true, static_cast<int>(i)}, v);
        }
    }

    void line(const std::string& name, const Pattern& before, const Pattern& after, const LineRef& at, int variation) {
        const std::string was = lineText(before, at, variation);
        const std::string is = lineText(after, at, variation);
        const auto letter = static_cast<char>('A' + variation);
        if (was != is) {
            if (at.lane)
                out_.push_back(say("{} lane {} {}: {} → {}", name, at.index + 1, letter, orNone(was), orNone(is)));
            else
                out_.push_back(say("{} track {} {}: {} → {}", name, at.index + 1, letter, orNone(was), orNone(is)));
            return;
        }
        const Stride* one = strideOf(before, at, variation);
        const Stride* other = strideOf(after, at, variation);
        if (one && other && *one != *other) {
            if (at.lane)
                out_.push_back(say("{} lane {} {} goes through its steps otherwise", name, at.index + 1, letter));
            else
                out_.push_back(say("{} track {} {} goes through its steps otherwise", name, at.index + 1, letter));
        }
    }

    void performances() {
        for (const std::string& post : patterned()) {
            const Performance* before = a_.performance(post);
            const Performance* after = b_.performance(post);
            if (before == after || (before && after && *before == *after)) continue;
            out_.push_back(say("{} is played otherwise", b_.post(post)->name));
        }
    }

    static std::string orNone(const std::string& text) { return text.empty() ? "–" : text; }

    [[nodiscard]] std::string jack(const Patch& patch, const JackRef& ref) const {
        const Post* post = patch.post(ref.post);
        const JackInfo* info = library_.jack(patch, ref);
        return (post ? post->name : ref.post) + " " + (info ? info->name : ref.jack);
    }

    const Patch& a_;
    const Patch& b_;
    const Library& library_;
    std::vector<Sentence> out_;
};

} // namespace

std::vector<Sentence> differences(const Patch& a, const Patch& b, const Library& library) {
    return Comparison(a, b, library).all();
}

} // namespace lariat
