// A jam that begins and ends while the audio side runs: it hands over what it has to whatever is open.
#pragma once

#include "devices/jam.h"
#include "engine/lent.h"

namespace lariat {

class LiveJam {
  public:
    /// Begins another one; fails as Jam::start does, and then none is open.
    Result<void> start(const std::filesystem::path& file, const SoundFormat& format) {
        end();
        auto started = Jam::start(file, format);
        if (!started) return tl::unexpected(started.error());
        jam_.exchange(std::move(*started));
        return {};
    }
    void end() { jam_.exchange(nullptr); }
    /// Audio side.
    void give(std::span<const float> interleaved) {
        jam_.use([&](Jam& jam) { jam.give(interleaved); });
    }

    [[nodiscard]] bool on() const { return jam_.get() != nullptr; }
    [[nodiscard]] std::string fault() const { return on() ? jam_.get()->fault() : std::string(); }
    [[nodiscard]] std::uint64_t lost() const { return on() ? jam_.get()->lost() : 0; }

  private:
    Lent<Jam> jam_;
};

} // namespace lariat
