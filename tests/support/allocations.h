// Traps allocations: counts every operator new on this thread while a guard lives.
#pragma once

#include <cstddef>

namespace lariat::test {

class AllocationCount {
  public:
    AllocationCount();
    ~AllocationCount();
    AllocationCount(const AllocationCount&) = delete;
    AllocationCount& operator=(const AllocationCount&) = delete;
    [[nodiscard]] std::size_t count() const;
};

} // namespace lariat::test
