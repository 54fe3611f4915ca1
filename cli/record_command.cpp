// record: what comes in at a sound device, into a file, for the questions of the Bench.
#include "cli/commands.h"
#include "devices/live_jam.h"
#include "devices/simulated_device.h"
#include "model/file.h"

#include <algorithm>
#include <chrono>
#include <cmath>
#include <iostream>
#include <thread>

#include <CLI/CLI.hpp>
#include <fmt/format.h>

namespace lariat::cli {
namespace {

struct RecordCommand {
    std::filesystem::path out;
    std::string device;
    std::filesystem::path comesIn;
    double seconds = 10.0;
};

/// The loudest of what has come in, since the beginning.
class Peak {
  public:
    void take(std::span<const float> samples) {
        for (const float sample : samples) peak_ = std::max(peak_.load(), std::abs(sample));
    }
    [[nodiscard]] float value() const { return peak_; }

  private:
    std::atomic<float> peak_{0.0f};
};

} // namespace

void addRecord(CLI::App& app, Context& context) {
    auto options = std::make_shared<RecordCommand>();
    auto* command = app.add_subcommand("record", "Record what comes in at a sound device");
    giveExamples(*command, "  lariat-cli record real.wav --seconds 10\n"
                           "  lariat-cli render data/demo/kick.json --as-recorded 3 --out kick.wav\n"
                           "  lariat-cli record real.wav --comes-in kick.wav   (at the simulated interface)\n"
                           "  lariat-cli ask real data/demo/kick.json --recording real.wav");
    command->add_option("out", options->out, "WAV file, or FLAC")->required()->check(notEmpty);
    command->add_option("--seconds", options->seconds, "Length")->check(CLI::Range(0.1, 3600.0))->capture_default_str();
    command->add_option("--device", options->device, "Its name; default: the first that there is");
    command->add_option("--comes-in", options->comesIn, "A sound file that the simulated interface hears instead");
    command->callback([options, &context] {
        AudioSettings settings;
        settings.device = options->device;
        if (!options->comesIn.empty()) {
            settings.device = kSimulatedDevice;
            settings.comesIn = need(comesInFrom(options->comesIn, settings.rate));
        }
        const auto device = makeAudioDevice(settings);
        if (!options->device.empty() && device->name() != settings.device) {
            std::string names;
            for (const std::string& name : audioDeviceNames())
                names += fmt::format("{}\"{}\"", names.empty() ? "" : ", ", name);
            refuse(fmt::format("there is no device \"{}\"; there are {}", options->device, names));
        }
        if (!device->hasInput())
            refuse(
                fmt::format("nothing comes in at {}; choose another one with --device, or let the simulated one hear "
                            "a sound file with --comes-in",
                            device->name()));
        const bool flac = options->out.extension() == ".flac";
        LiveJam jam;
        need(jam.start(options->out, {static_cast<double>(settings.rate), 2, flac ? 24 : 32}));
        std::atomic<std::size_t> frames{0};
        Peak peak;
        const auto wanted = static_cast<std::size_t>(options->seconds * settings.rate);
        need(device->start([&](float* out, std::size_t count, const float* in) {
            std::fill_n(out, 2 * count, 0.0f);
            const std::size_t left = wanted - std::min(wanted, frames.load());
            const std::span<const float> taken(in, in ? 2 * std::min(count, left) : 0);
            jam.give(taken);
            peak.take(taken);
            frames += taken.size() / 2;
        }));
        while (frames < wanted && device->alive() && jam.fault().empty())
            std::this_thread::sleep_for(std::chrono::milliseconds(5));
        const bool gone = !device->alive() && frames < wanted;
        device->stop();
        const std::string fault = jam.fault();
        jam.end();
        const double seconds = static_cast<double>(frames) / settings.rate;
        if (!fault.empty()) throw Failed{{options->out.string(), {}, plain(fault)}};
        if (gone)
            throw Failed{{options->out.string(),
                          {},
                          say("{} has gone away; the {:.1f} s until then are kept", device->name(), seconds)}};
        if (context.json)
            std::cout << Json{{"file", options->out.string()},
                              {"device", device->name()},
                              {"seconds", seconds},
                              {"peak", peak.value()}}
                             .dump(2)
                      << '\n';
        else
            fmt::print("{:.1f} s from {}, peak {:.3f} of full scale\n", seconds, device->name(), peak.value());
        if (peak.value() <= 0.0f)
            std::cerr << "lariat-cli: it is silent; look at the cables and at the input's level\n";
        if (peak.value() >= 1.0f) std::cerr << "lariat-cli: it clips; turn the input down\n";
    });
}

} // namespace lariat::cli
