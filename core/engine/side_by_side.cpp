#include "engine/side_by_side.h"

#include <algorithm>
#include <atomic>
#include <thread>
#include <vector>

namespace lariat {

void sideBySide(std::size_t count, unsigned threads, const std::function<void(std::size_t)>& work) {
    std::atomic<std::size_t> next = 0;
    const auto loop = [&] {
        for (std::size_t i = next++; i < count; i = next++) work(i);
    };
    std::vector<std::thread> others;
    for (std::size_t t = 1; t < std::min<std::size_t>(threads, count); ++t) others.emplace_back(loop);
    loop();
    for (std::thread& other : others) other.join();
}

unsigned processors() {
    return std::max(1u, std::thread::hardware_concurrency());
}

} // namespace lariat
