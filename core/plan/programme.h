// An integer programme: variables, limits on sums of them, and a sum to be made small. GLPK solves it.
#pragma once

#include "model/result.h"

#include <limits>
#include <utility>
#include <vector>

namespace lariat {

class Programme {
  public:
    using Sum = std::vector<std::pair<int, double>>; ///< variable and factor
    static constexpr double kAny = std::numeric_limits<double>::infinity();

    /// A variable that is 0 or 1, and what one of it costs.
    int choice(double cost);
    /// A variable of any size from 0 on.
    int amount(double cost);
    /// low ≤ sum ≤ high.
    void limit(Sum sum, double low, double high);

    struct Solution {
        std::vector<double> values; ///< by variable
        double cost = 0.0;
        double bound = 0.0;  ///< no solution costs less
        bool proven = false; ///< none is better than this one; else time ran out
        [[nodiscard]] bool chosen(int variable) const {
            return !values.empty() && values[static_cast<std::size_t>(variable)] > 0.5;
        }
    };
    /// The cheapest solution, or the best that was found in so many seconds: without values if that was none. Fails if
    /// there is no solution at all.
    [[nodiscard]] Result<Solution> solve(double seconds) const;

  private:
    struct Variable {
        double cost;
        bool whole;
    };
    struct Limit {
        Sum sum;
        double low;
        double high;
    };
    std::vector<Variable> variables_;
    std::vector<Limit> limits_;
};

} // namespace lariat
