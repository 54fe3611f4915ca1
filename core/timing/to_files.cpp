#include "timing/to_files.h"

#include "engine/resampler.h"
#include "timing/stems.h"
#include "units/level.h"

#include <algorithm>
#include <array>
#include <cmath>

#include <fmt/format.h>

namespace lariat {
namespace {

constexpr std::size_t kPieceFrames = 4096; ///< handed to a file at a time

/// What hears one pass over the patch.
struct Pass {
    std::vector<int> silenced;
    SoundWriter* mix = nullptr;
    std::vector<SoundWriter>* probes = nullptr;
    FilesMade* made = nullptr; ///< where levels and faults go
};

/// Runs the patch once. `progress` is told 0…1 of this pass.
Result<void> play(const Patch& patch, const Library& library, const RenderOptions& options, const Pass& pass,
                  const std::function<bool(double)>& progress, double fileRate) {
    Renderer::Settings settings{options.engineRate, options.realCase, pass.silenced, {}, options.scenes};
    if (pass.probes) settings.probes = options.probes;
    auto renderer = Renderer::make(patch, library, std::move(settings));
    if (!renderer) return tl::unexpected(renderer.error());

    const auto runs = static_cast<std::size_t>(std::ceil(options.seconds * options.engineRate / kRun));
    std::array<float, 2 * kRun> silence{};
    std::array<float, 2 * kRun> heard{};
    LevelMeter left;
    LevelMeter right;
    std::vector<LevelMeter> probes(options.probes.size());
    std::size_t run = 0;
    bool cancelled = false;
    Result<void> fault;
    const auto next = [&]() -> std::span<const float> {
        if (run >= runs || cancelled || !fault) return silence; // pushes out the last frames
        if (progress && run % 128 == 0 && !progress(static_cast<double>(run) / static_cast<double>(runs))) {
            cancelled = true;
            return silence;
        }
        ++run;
        constexpr double kOne = 0.5 * kRun; // anything up to a run's length is a whole run
        renderer->run(kOne / options.engineRate, [&](const RunView& view) {
            for (std::size_t i = 0; i < kRun; ++i) {
                heard[2 * i] = static_cast<float>(1.0 / kFullScaleVolts) * view.left[i];
                heard[2 * i + 1] = static_cast<float>(1.0 / kFullScaleVolts) * view.right[i];
            }
            if (!pass.made) return true;
            left.add(view.left);
            right.add(view.right);
            if (!pass.probes) return true;
            for (std::size_t p = 0; p < probes.size(); ++p) {
                const std::span<const float> volts(view.probes[p]->volts.data(), kRun);
                probes[p].add(volts);
                if (auto written = (*pass.probes)[p].write(volts); !written) fault = written;
            }
            return true;
        });
        return heard;
    };

    Resampler resampler(options.engineRate, fileRate);
    std::vector<float> piece;
    auto frames =
        static_cast<std::size_t>(std::floor(static_cast<double>(runs * kRun) * fileRate / options.engineRate));
    while (frames > 0 && !cancelled && fault) {
        piece.resize(2 * std::min(frames, kPieceFrames));
        resampler.fill(piece, next);
        frames -= piece.size() / 2;
        if (cancelled || !pass.mix) continue;
        if (auto written = pass.mix->write(piece); !written) fault = written;
    }
    while (run < runs && !cancelled && fault) (void)next(); // what the last frames of the mix did not ask for
    if (cancelled) return failure(say("rendering was cancelled"));
    if (!fault) return fault;
    if (pass.made) {
        pass.made->left = left.reading();
        pass.made->right = right.reading();
        for (const LevelMeter& probe : probes) pass.made->probes.push_back(probe.reading());
        pass.made->faults = renderer->schedule().faults();
        pass.made->faultyPost = renderer->schedule().faultyPost();
    }
    return {};
}

} // namespace

Result<FilesMade> renderToFiles(const Patch& patch, const Library& library, const RenderOptions& options,
                                const FilesWanted& wanted) {
    FilesMade made;
    std::vector<Stem> stems;
    std::vector<SoundWriter> files; ///< in the order in which they are put in their places: the mix, then stems
    const auto open = [&](const std::filesystem::path& file, const SoundFormat& format,
                          std::vector<SoundWriter>& into) -> Result<void> {
        auto writer = SoundWriter::replacing(file, format);
        if (!writer) return tl::unexpected(writer.error());
        into.push_back(std::move(*writer));
        return {};
    };
    if (!wanted.mix.empty())
        if (auto opened = open(wanted.mix, wanted.format, files); !opened) return tl::unexpected(opened.error());
    if (!wanted.stems.empty()) {
        std::error_code error;
        std::filesystem::create_directories(wanted.stems, error);
        if (error) return tl::unexpected(Error{wanted.stems.string(), {}, say("cannot be made: {}", error.message())});
        stems = stemsOf(patch, library);
        std::vector<std::string> voices;
        for (const Stem& stem : stems) voices.push_back(stem.voice);
        for (const std::string& name : stemFiles(patch.title, voices)) {
            std::filesystem::path file = wanted.stems / name;
            if (!wanted.mix.empty()) file.replace_extension(wanted.mix.extension());
            if (auto opened = open(file, wanted.format, files); !opened) return tl::unexpected(opened.error());
            made.stems.push_back(std::move(file));
        }
    }
    std::vector<SoundWriter> probes;
    for (const std::filesystem::path& file : wanted.probes)
        if (auto opened = open(file, {options.engineRate, 1, 32}, probes); !opened)
            return tl::unexpected(opened.error());

    const std::size_t passes = 1 + stems.size();
    for (std::size_t n = 0; n < passes; ++n) {
        Pass pass{options.silenced};
        if (n == 0) {
            pass.mix = wanted.mix.empty() ? nullptr : &files.front();
            pass.probes = probes.empty() ? nullptr : &probes;
            pass.made = &made;
        } else {
            const Stem& stem = stems[n - 1];
            pass.silenced.insert(pass.silenced.end(), stem.silenced.begin(), stem.silenced.end());
            pass.mix = &files[files.size() - stems.size() + n - 1];
        }
        const auto progress = [&](double part) {
            return !options.progress || options.progress((static_cast<double>(n) + part) / static_cast<double>(passes));
        };
        if (auto played = play(patch, library, options, pass, progress, wanted.format.rate); !played)
            return tl::unexpected(played.error());
    }
    for (std::vector<SoundWriter>* const written : {&files, &probes})
        for (SoundWriter& file : *written)
            if (auto done = file.commit(); !done) return tl::unexpected(done.error());
    return made;
}

} // namespace lariat
