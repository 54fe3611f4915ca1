#include "patch/chart_layout.h"

#include <algorithm>
#include <cmath>

namespace lariat {
namespace {

constexpr qreal kNarrowest = 46; ///< between two posts; below it the chart scrolls sideways
constexpr qreal kOneTier = 104;  ///< from here on heads fit side by side
constexpr qreal kHeadingHeight = 28;
constexpr qreal kNormalHeight = 22;

qreal rowHeight(const ChartView& view) {
    return view.compact ? 24 : 38;
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
        if (std::abs(a - b) == 1) weights[static_cast<std::size_t>(std::min(a, b))] = 1.6;
    }
    return weights;
}

} // namespace

QString headingOf(const Cable& cable) {
    const QString voice = QString::fromStdString(cable.voice);
    const QString step = QString::fromStdString(cable.step);
    if (voice.isEmpty() && step.isEmpty()) return QStringLiteral("Cables");
    return step.isEmpty() ? voice : voice.isEmpty() ? step : voice + QStringLiteral(" · ") + step;
}

ChartLayout ChartLayout::of(const Patch& patch, const std::vector<NormalInEffect>& normals, const ChartView& view) {
    ChartLayout out;
    const qreal room = view.width - kGutter - kReadings;
    const auto count = static_cast<qreal>(patch.posts.size());
    const std::vector<qreal> weights = gapWeights(patch);
    qreal sum = 1.2; // half a gap at either side, where jack words stand
    for (const qreal weight : weights) sum += weight;
    const qreal unit = std::clamp(room / sum, kNarrowest, 150.0);
    const bool twoTiers = unit < kOneTier && count > 1;
    out.contentWidth = std::max(room, unit * sum);
    out.headsHeight = (twoTiers ? 2 : 1) * (kHeadHeight + kHeadGap) + kHeadGap;
    qreal x = kGutter + 0.6 * unit;
    for (std::size_t i = 0; i < patch.posts.size(); ++i) {
        const qreal before = i == 0 ? 0.6 * unit : weights[i - 1] * unit;
        const qreal after = i + 1 == patch.posts.size() ? 0.6 * unit : weights[i] * unit;
        const qreal half =
            std::min(52.0, twoTiers ? std::min(before, after) - 3.0 : 0.5 * std::min(before, after) - 3.0);
        const qreal top = kHeadGap + (twoTiers && i % 2 == 1 ? kHeadHeight + kHeadGap : 0.0);
        const qreal edge = std::max(x - half, kGutter - 40);
        out.posts.push_back({patch.posts[i].id, x, QRectF(edge, top, x + half - edge, kHeadHeight)});
        if (i < weights.size()) x += weights[i] * unit;
    }

    const auto xOf = [&](const std::string& id) {
        const ChartPost* post = out.post(id);
        return post ? post->x : 0.0;
    };
    qreal y = 0;
    QString heading;
    const auto addNormals = [&](const std::string& after) {
        if (!view.showNormals) return;
        for (const NormalInEffect& normal : normals)
            if (normal.to.post == after) {
                out.rows.push_back({ChartRow::Kind::Normal, y, kNormalHeight, 0, normal.from, normal.to,
                                    xOf(normal.from.post), xOf(normal.to.post), heading});
                y += kNormalHeight;
            }
    };
    for (std::size_t i = 0; i < patch.cables.size(); ++i) {
        const Cable& cable = patch.cables[i];
        if (headingOf(cable) != heading || i == 0) {
            heading = headingOf(cable);
            out.rows.push_back({ChartRow::Kind::Heading, y, kHeadingHeight, 0, {}, {}, 0, 0, heading});
            y += kHeadingHeight;
        }
        if (view.folded.contains(heading)) continue;
        out.rows.push_back({ChartRow::Kind::Cable, y, rowHeight(view), cable.id, cable.from, cable.to,
                            xOf(cable.from.post), xOf(cable.to.post), heading});
        y += rowHeight(view);
        // A normal is shown below the last cable of the post that it feeds.
        const bool last = std::none_of(patch.cables.begin() + static_cast<std::ptrdiff_t>(i) + 1, patch.cables.end(),
                                       [&](const Cable& later) { return later.to.post == cable.to.post; });
        if (last) addNormals(cable.to.post);
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
