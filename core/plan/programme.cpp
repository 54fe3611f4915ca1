#include "plan/programme.h"

#include <cmath>
#include <memory>
#include <mutex>

#include <glpk.h>

namespace lariat {
namespace {

/// GLPK keeps its own books in one place a process.
std::mutex& solver() {
    static std::mutex one;
    return one;
}

/// What GLPK holds for a thread goes when it is done with.
struct Environment {
    Environment() { glp_init_env(); }
    ~Environment() { glp_free_env(); }
    Environment(const Environment&) = delete;
    Environment& operator=(const Environment&) = delete;
};

} // namespace

int Programme::choice(double cost) {
    variables_.push_back({cost, true});
    return static_cast<int>(variables_.size()) - 1;
}

int Programme::amount(double cost) {
    variables_.push_back({cost, false});
    return static_cast<int>(variables_.size()) - 1;
}

void Programme::limit(Sum sum, double low, double high) {
    if (!sum.empty()) limits_.push_back({std::move(sum), low, high});
}

Result<Programme::Solution> Programme::solve(double seconds) const {
    if (variables_.empty()) return Solution{{}, 0.0, 0.0, true};
    const std::lock_guard guard(solver());
    const Environment environment;
    glp_term_out(GLP_OFF);
    const std::unique_ptr<glp_prob, void (*)(glp_prob*)> problem(glp_create_prob(), glp_delete_prob);
    glp_prob* p = problem.get();
    glp_set_obj_dir(p, GLP_MIN);
    glp_add_cols(p, static_cast<int>(variables_.size()));
    for (std::size_t i = 0; i < variables_.size(); ++i) {
        const int column = static_cast<int>(i) + 1;
        glp_set_obj_coef(p, column, variables_[i].cost);
        if (variables_[i].whole)
            glp_set_col_kind(p, column, GLP_BV);
        else
            glp_set_col_bnds(p, column, GLP_LO, 0.0, 0.0);
    }
    glp_add_rows(p, static_cast<int>(limits_.size()) + 1); // one more, so that there is one
    for (std::size_t i = 0; i < limits_.size(); ++i) {
        const Limit& limit = limits_[i];
        const int row = static_cast<int>(i) + 1;
        std::vector<int> places{0};
        std::vector<double> factors{0.0};
        for (const auto& [variable, factor] : limit.sum) {
            places.push_back(variable + 1);
            factors.push_back(factor);
        }
        glp_set_mat_row(p, row, static_cast<int>(limit.sum.size()), places.data(), factors.data());
        const bool low = std::isfinite(limit.low);
        const bool high = std::isfinite(limit.high);
        const int kind = low && high ? (limit.low == limit.high ? GLP_FX : GLP_DB) : low ? GLP_LO : GLP_UP;
        glp_set_row_bnds(p, row, kind, low ? limit.low : 0.0, high ? limit.high : 0.0);
    }
    glp_set_row_bnds(p, static_cast<int>(limits_.size()) + 1, GLP_FR, 0.0, 0.0);
    glp_smcp simplex;
    glp_init_smcp(&simplex);
    simplex.msg_lev = GLP_MSG_OFF;
    simplex.tm_lim = static_cast<int>(seconds * 1000.0);
    simplex.presolve = GLP_ON;
    // That time ran out says nothing of whether there is a solution.
    const int relaxing = glp_simplex(p, &simplex);
    if (relaxing == GLP_ETMLIM) return Solution{};
    if (relaxing != 0 || glp_get_status(p) != GLP_OPT) return failure(say("nothing in this case satisfies all of it"));
    const double relaxed = glp_get_obj_val(p);
    glp_iocp whole;
    glp_init_iocp(&whole);
    whole.msg_lev = GLP_MSG_OFF;
    whole.tm_lim = static_cast<int>(seconds * 1000.0);
    whole.mir_cuts = GLP_ON;
    whole.bt_tech = GLP_BT_BPH;
    const int ended = glp_intopt(p, &whole);
    const int status = glp_mip_status(p);
    if (status == GLP_UNDEF) return Solution{{}, 0.0, relaxed, false};
    if (status != GLP_OPT && status != GLP_FEAS) return failure(say("nothing in this case satisfies all of it"));
    Solution out;
    out.cost = glp_mip_obj_val(p);
    out.proven = ended == 0 && status == GLP_OPT;
    out.bound = out.proven ? out.cost : relaxed;
    for (std::size_t i = 0; i < variables_.size(); ++i)
        out.values.push_back(glp_mip_col_val(p, static_cast<int>(i) + 1));
    return out;
}

} // namespace lariat
