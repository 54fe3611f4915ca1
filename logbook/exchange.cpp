#include "logbook/exchange.h"

#include "library/workspace.h"
#include "log/both.h"
#include "log/differences.h"

#include <QDateTime>

#include <algorithm>

namespace lariat {
namespace {

constexpr std::int64_t kDayMs = 24LL * 60 * 60 * 1000;

} // namespace

std::int64_t midnightBefore(std::int64_t at) {
    return QDateTime::fromMSecsSinceEpoch(at).date().startOfDay().toMSecsSinceEpoch();
}

Result<std::vector<DiaryEntry>> diaryOf(const Logbook& log, std::int64_t midnight, const Library& library,
                                        const Speaker& speak) {
    TakeQuery day;
    day.since = midnight;
    day.until = midnight + kDayMs;
    auto lines = log.list(day);
    if (!lines) return tl::unexpected(lines.error());
    std::vector<DiaryEntry> out;
    for (const TakeLine& line : *lines) {
        auto take = log.take(line.id);
        if (!take) return tl::unexpected(take.error());
        DiaryEntry entry{.take = line,
                         .time =
                             QDateTime::fromMSecsSinceEpoch(line.at).toString(QStringLiteral("HH:mm")).toStdString()};
        entry.figures = std::move(take->figures);
        entry.chart = chartPicture(bothOf(take->patch, take->patch, library));
        if (line.parent != 0)
            if (const auto parent = log.take(line.parent)) {
                entry.from = takeName(*parent, speak);
                entry.chart = chartPicture(bothOf(parent->patch, take->patch, library));
                for (const Difference& one : differences(parent->patch, take->patch, library))
                    if (one.group != Difference::Group::SmallPrint) entry.changes.push_back(inOneLine(one, speak));
            }
        out.push_back(std::move(entry));
    }
    std::ranges::reverse(out);
    return out;
}

Result<void> exportTake(const Logbook& log, std::int64_t id, const std::filesystem::path& file,
                        const std::filesystem::path& data, const std::filesystem::path& own) {
    const auto take = log.take(id);
    if (!take) return tl::unexpected(take.error());
    auto sound = log.sound(id);
    if (!sound) return tl::unexpected(sound.error());
    const auto bundle = bundleOfTake(*take, std::move(*sound), data, own);
    if (!bundle) return tl::unexpected(bundle.error());
    return writeBundle(*bundle, file);
}

Result<BroughtIn> importTake(Logbook& log, const std::filesystem::path& file, const std::filesystem::path& data,
                             const std::filesystem::path& own) {
    auto bundle = readBundle(file);
    if (!bundle) return tl::unexpected(bundle.error());
    if (!bundle->patch) return tl::unexpected(Error{file.string(), {}, say("holds no patch, so it is no take")});
    NewTake take = bundle->take.value_or(NewTake{});
    if (!take.sound.empty()) { // its picture is made of it anew
        auto mix = decodeSound(take.sound);
        if (!mix)
            return tl::unexpected(Error{file.string(), "take.flac", say("the sound of the take is none of ours")});
        TakeSound heard = hear(std::move(*mix));
        take.thumb = heard.thumb;
        take.figures.merge(heard.figures); // what its writer measured goes before
    }
    auto unpacked = unpackBundle(std::move(*bundle), data, own);
    if (!unpacked) return tl::unexpected(unpacked.error());
    const Workspace workspace = loadWorkspace(data, own);
    take.kind = TakeKind::Brought;
    take.patch = *unpacked->patch;
    take.rig = rigOf(take.patch, workspace);
    if (take.at == 0) take.at = QDateTime::currentMSecsSinceEpoch();
    const auto id = log.add(take, workspace.library);
    if (!id) return tl::unexpected(id.error());
    return BroughtIn{*id, std::move(*unpacked)};
}

} // namespace lariat
