#include "patch/chart_layout.h"

#include <QCoreApplication>

#include <algorithm>
#include <cmath>
#include <map>

namespace lariat {
namespace {

constexpr qreal kNarrowest = 30; ///< between two posts; below it the chart scrolls sideways
constexpr qreal kOneTier = 104;  ///< from here on heads fit side by side
constexpr qreal kOwnLoop = 52;   ///< how far a cable to the same post goes out
constexpr qreal kHeadingHeight = 28;
constexpr qreal kNormalHeight = 22;
constexpr qreal kOpenReach = 60; ///< how far a cable goes whose end nobody knows
constexpr qreal kFindingHeight = 28;

qreal rowHeight(const ChartView& view) {
    return std::max(20.0, (view.compact ? 24 : 38) * view.zoom);
}

/// The patch without what is not shown.
Patch shownOf(const Patch& patch, const ChartView& view) {
    Patch shown = patch;
    if (view.untilRow > 0 && view.untilRow < static_cast<int>(shown.cables.size()))
        shown.cables.resize(static_cast<std::size_t>(view.untilRow));
    if (view.only) std::erase_if(shown.cables, [&](const Cable& cable) { return !view.only->contains(cable.id); });
    if (view.only || view.untilRow > 0)
        std::erase_if(shown.posts, [&](const Post& post) {
            return std::ranges::none_of(shown.cables,
                                        [&](const Cable& c) { return c.from.post == post.id || c.to.post == post.id; });
        });
    return shown;
}

/// Relative widths of the gaps between posts.
std::vector<qreal> gapWeights(const Patch& patch) {
    std::vector<qreal> weights(patch.posts.size() > 1 ? patch.posts.size() - 1 : 0, 1.0);
    for (const Cable& cable : patch.cables) {
        const auto place = [&](const std::string& id) {
            return std::ranges::find(patch.posts, id, &Post::id) - patch.posts.begin();
        };
        const auto a = place(cable.from.post);
        const auto b = place(cable.to.post);
        if (std::abs(a - b) == 1) weights[static_cast<std::size_t>(std::min(a, b))] = 1.4;
    }
    return weights;
}

} // namespace

QString headingOf(const Cable& cable) {
    const QString voice = QString::fromStdString(cable.voice);
    const QString step = QString::fromStdString(cable.step);
    if (voice.isEmpty() && step.isEmpty()) return QCoreApplication::translate("lariat", "Cables");
    return step.isEmpty() ? voice : voice.isEmpty() ? step : voice + QStringLiteral(" · ") + step;
}

ChartLayout ChartLayout::of(const Patch& whole, const std::vector<NormalInEffect>& normals,
                            const std::vector<Finding>& findings, const ChartView& view) {
    ChartLayout out;
    const Patch patch = shownOf(whole, view);
    const qreal room = view.width - kGutter - kReadings;
    const auto count = static_cast<qreal>(patch.posts.size());
    const std::vector<qreal> weights = gapWeights(patch);
    qreal sum = 0.0;
    for (const qreal weight : weights) sum += weight;
    const qreal words = kWordsLeft + kWordsRight;
    const qreal unit = sum > 0.0 ? std::clamp(view.zoom * (room - words) / sum, kNarrowest, 150.0 * view.zoom) : 150.0;
    const bool twoTiers = unit < kOneTier && count > 1;
    out.contentWidth = std::max(room, words + unit * sum);
    out.headsHeight = (twoTiers ? 2 : 1) * (kHeadHeight + kHeadGap) + kHeadGap;
    qreal x = kGutter + kWordsLeft;
    for (std::size_t i = 0; i < patch.posts.size(); ++i) {
        // In two tiers a head may reach half way to the heads beside it on its own tier.
        const auto gap = [&](std::size_t k) { return k < weights.size() ? weights[k] * unit : 1e3; };
        const qreal before = i == 0 ? 1e3 : gap(i - 1) + (twoTiers && i > 1 ? gap(i - 2) : twoTiers ? 1e3 : 0.0);
        const qreal after = gap(i) + (twoTiers ? gap(i + 1) : 0.0);
        const qreal half = std::min(52.0, 0.5 * std::min(before, after) - 3.0);
        const qreal top = kHeadGap + (twoTiers && i % 2 == 1 ? kHeadHeight + kHeadGap : 0.0);
        out.posts.push_back({patch.posts[i].id, x, QRectF(x - half, top, 2 * half, kHeadHeight)});
        if (i < weights.size()) x += weights[i] * unit;
    }

    const auto xOf = [&](const std::string& id) {
        const ChartPost* post = out.post(id);
        return post ? post->x : 0.0;
    };
    qreal y = 0;
    QString heading;
    std::string voice;
    std::string step;
    bool folded = false;
    const auto add = [&](ChartRow row, qreal height) {
        row.top = y;
        row.height = height;
        row.fromX = xOf(row.from.post);
        // A cable from a post to itself goes out to the right and comes back below.
        row.toX = xOf(row.to.post) + (!row.from.post.empty() && row.from.post == row.to.post ? kOwnLoop : 0.0);
        row.heading = heading;
        row.voice = voice;
        row.step = step;
        out.rows.push_back(std::move(row));
        y += height;
    };
    const auto addFindings = [&](int cable, const std::string& post) {
        for (std::size_t f = 0; f < findings.size(); ++f)
            if (findings[f].severity != Severity::Note &&
                (cable ? findings[f].cable == cable : findings[f].cable == 0 && findings[f].post == post))
                add({.kind = ChartRow::Kind::Finding, .from = {}, .to = {}, .heading = {}, .finding = f},
                    kFindingHeight);
    };
    // What concerns a post as a whole stands below the last cable that enters it, or leaves it if none does.
    std::map<std::string, std::size_t> lastCable;
    for (std::size_t i = 0; i < patch.cables.size(); ++i)
        if (!std::ranges::count(patch.cables, patch.cables[i].from.post, [](const Cable& c) { return c.to.post; }))
            lastCable[patch.cables[i].from.post] = i;
    for (std::size_t i = 0; i < patch.cables.size(); ++i) lastCable[patch.cables[i].to.post] = i;
    for (const Post& post : patch.posts)
        if (!lastCable.contains(post.id)) addFindings(0, post.id);

    for (std::size_t i = 0; i < patch.cables.size(); ++i) {
        const Cable& cable = patch.cables[i];
        if (headingOf(cable) != heading || i == 0) {
            heading = headingOf(cable);
            voice = cable.voice;
            step = cable.step;
            const Heading* style = patch.heading(voice, step);
            folded = style && style->folded;
            add({.kind = ChartRow::Kind::Heading, .from = {}, .to = {}, .heading = {}, .folded = folded},
                kHeadingHeight);
        }
        if (folded) continue;
        add({.kind = ChartRow::Kind::Cable, .cable = cable.id, .from = cable.from, .to = cable.to, .heading = {}},
            rowHeight(view));
        addFindings(cable.id, {});
        for (const auto& [post, last] : lastCable) {
            if (last != i) continue;
            if (view.showNormals)
                for (const NormalInEffect& normal : normals)
                    if (normal.to.post == post)
                        add({.kind = ChartRow::Kind::Normal, .from = normal.from, .to = normal.to, .heading = {}},
                            kNormalHeight);
            addFindings(0, post);
        }
    }
    // Cables of which only one end is known have no place in the order of building.
    heading = {};
    voice = step = {};
    if (!view.only && view.untilRow == 0)
        for (const OpenEnd& end : patch.openEnds) {
            const bool output = end.output;
            add({.kind = ChartRow::Kind::Open,
                 .from = output ? end.at : JackRef{},
                 .to = output ? JackRef{} : end.at,
                 .heading = {},
                 .openEnd = end.id},
                kNormalHeight);
            ChartRow& row = out.rows.back();
            (output ? row.toX : row.fromX) = (output ? row.fromX + kOpenReach : row.toX - kOpenReach);
        }
    out.contentHeight = y;
    return out;
}

const ChartPost* ChartLayout::post(const std::string& id) const {
    const auto it = std::ranges::find(posts, id, &ChartPost::id);
    return it == posts.end() ? nullptr : &*it;
}

const ChartRow* ChartLayout::cableRow(int cable) const {
    const auto it = std::ranges::find_if(
        rows, [&](const ChartRow& row) { return row.kind == ChartRow::Kind::Cable && row.cable == cable; });
    return it == rows.end() ? nullptr : &*it;
}

const ChartRow* ChartLayout::rowAt(qreal y) const {
    const auto it =
        std::ranges::find_if(rows, [&](const ChartRow& row) { return y >= row.top && y < row.top + row.height; });
    return it == rows.end() ? nullptr : &*it;
}

const ChartPost* ChartLayout::postNear(qreal x, qreal reach) const {
    const ChartPost* best = nullptr;
    for (const ChartPost& post : posts)
        if (std::abs(post.x - x) <= reach && (!best || std::abs(post.x - x) < std::abs(best->x - x))) best = &post;
    return best;
}

} // namespace lariat
