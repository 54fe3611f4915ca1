// Waiting for what the window does by and by. How long is no test: a machine that is slow, or under the sanitizers,
// may take its time, and a test that waits for what never comes ends all the same.
#pragma once

#include <QtTest>

namespace lariat::test {

inline constexpr int kPatience = 240'000; ///< ms

} // namespace lariat::test

#define EVENTUALLY(condition) QTRY_VERIFY_WITH_TIMEOUT(condition, ::lariat::test::kPatience)
#define EVENTUALLY_EQUAL(actual, expected) QTRY_COMPARE_WITH_TIMEOUT(actual, expected, ::lariat::test::kPatience)
#define EVENTUALLY_OR(condition, what) QTRY_VERIFY2_WITH_TIMEOUT(condition, what, ::lariat::test::kPatience)
