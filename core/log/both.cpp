#include "log/both.h"

#include <algorithm>
#include <map>

#include <fmt/format.h>

namespace lariat {
namespace {

constexpr double kPictureWidth = 360.0;
constexpr double kPictureSide = 8.0;
constexpr double kPictureTop = 12.0;
constexpr double kPictureRow = 6.0;
constexpr const char* kQuiet = "#b9bdbf";
constexpr const char* kBefore = "#b3402a";
constexpr const char* kAfter = "#2f5d8a";
constexpr const char* kDashes = R"( stroke-dasharray="3 2")";

/// How many knobs stand elsewhere, wherever they are written down; of another part, none can be told.
int knobsApart(const Post& a, const Post& b, const Library& library) {
    const PartInfo* part = library.part(b);
    if (!part || a.module != b.module || a.part != b.part) return 0;
    return static_cast<int>(std::ranges::count_if(
        part->knobs, [&](const KnobInfo& knob) { return knobValue(a, knob) != knobValue(b, knob); }));
}

/// All but where its knobs stand.
bool isOtherwise(Post a, Post b) {
    a.knobs = b.knobs = {};
    return !(a == b);
}

/// `list` with what only `others` has behind what it follows there.
template <class List, class Same> List interleave(List list, const List& others, Same same) {
    for (std::size_t i = 0; i < others.size(); ++i) {
        const auto isIt = [&](const auto& of) { return [&](const auto& one) { return same(one, of); }; };
        if (std::ranges::any_of(list, isIt(others[i]))) continue;
        auto at = list.begin();
        if (i > 0) at = std::ranges::find_if(list, isIt(others[i - 1])) + 1;
        list.insert(at, others[i]);
    }
    return list;
}

bool playsOtherwise(const Patch& a, const Patch& b, const std::string& post) {
    const Pattern* one = a.pattern(post);
    const Pattern* other = b.pattern(post);
    return (one == nullptr) != (other == nullptr) || (one && !(*one == *other));
}

} // namespace

Both bothOf(const Patch& before, const Patch& after, const Library& library) {
    Both out;
    std::vector<BothPost> was;
    for (const Post& post : before.posts) was.push_back({BothPost::State::OnlyBefore, post.id, post.name, 0});
    for (const Post& post : after.posts) {
        const Post* then = before.post(post.id);
        BothPost one{BothPost::State::OnlyAfter, post.id, post.name, then ? knobsApart(*then, post, library) : 0};
        if (then)
            one.state = one.knobs > 0 || isOtherwise(*then, post) || playsOtherwise(before, after, post.id)
                            ? BothPost::State::Changed
                            : BothPost::State::Same;
        out.posts.push_back(std::move(one));
    }
    out.posts =
        interleave(std::move(out.posts), was, [](const BothPost& a, const BothPost& b) { return a.id == b.id; });

    std::vector<BothRow> gone;
    for (const Cable& cable : before.cables)
        gone.push_back({BothRow::State::OnlyBefore, cable.from, cable.to, {}, before.row(cable.id), 0});
    for (const Cable& cable : after.cables) {
        const Cable* then = before.cableInto(cable.to);
        BothRow row{BothRow::State::OnlyAfter,       cable.from,         cable.to, {},
                    then ? before.row(then->id) : 0, after.row(cable.id)};
        if (then) row.state = then->from == cable.from ? BothRow::State::Same : BothRow::State::Moved;
        if (row.state == BothRow::State::Moved) row.was = then->from;
        out.rows.push_back(std::move(row));
    }
    out.rows = interleave(std::move(out.rows), gone, [](const BothRow& a, const BothRow& b) { return a.to == b.to; });
    return out;
}

std::string chartPicture(const Both& both) {
    if (both.rows.empty()) return {};
    const double height = kPictureTop + kPictureRow * static_cast<double>(both.rows.size());
    std::string out = fmt::format(
        R"(<svg xmlns="http://www.w3.org/2000/svg" width="{0:g}" height="{1:g}" viewBox="0 0 {0:g} {1:g}">)",
        kPictureWidth, height);
    std::map<std::string, double> places;
    const double step =
        (kPictureWidth - 2.0 * kPictureSide) / std::max(1.0, static_cast<double>(both.posts.size()) - 1.0);
    for (const BothPost& post : both.posts) {
        const double x = kPictureSide + step * static_cast<double>(places.size());
        places[post.id] = x;
        const bool same = post.state == BothPost::State::Same || post.state == BothPost::State::Changed;
        out += fmt::format(R"(<path d="M{0:.1f} 2V{1:.1f}" stroke="{2}" stroke-width="1"{3}/>)", x, height - 2.0,
                           same                                        ? kQuiet
                           : post.state == BothPost::State::OnlyBefore ? kBefore
                                                                       : kAfter,
                           post.state == BothPost::State::OnlyBefore ? kDashes : "");
        if (post.state == BothPost::State::Changed)
            out += fmt::format(R"(<circle cx="{:.1f}" cy="4" r="3" fill="{}"/>)", x, kAfter);
    }
    double y = kPictureTop;
    const auto line = [&](const JackRef& from, const JackRef& to, const char* colour, const char* dashes) {
        const double a = places[from.post];
        const double b = from.post == to.post ? a + 10.0 : places[to.post];
        out += fmt::format(
            R"(<path d="M{0:.1f} {1:.1f}H{2:.1f}" stroke="{3}" stroke-width="1.6"{4}/><circle cx="{2:.1f}" cy="{1:.1f}" r="2" fill="{3}"/>)",
            a, y, b, colour, dashes);
    };
    for (const BothRow& row : both.rows) {
        using State = BothRow::State;
        if (row.state == State::OnlyBefore) line(row.from, row.to, kBefore, kDashes);
        if (row.state == State::Moved) line(row.was, row.to, kBefore, kDashes);
        if (row.state == State::Moved) y += 2.0;
        if (row.state != State::OnlyBefore) line(row.from, row.to, row.state == State::Same ? kQuiet : kAfter, "");
        if (row.state == State::Moved) y -= 2.0;
        y += kPictureRow;
    }
    return out + "</svg>";
}

} // namespace lariat
