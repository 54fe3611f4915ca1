// A waveform read from any phase, however it moves: band-limited at every corner that the phase passes, forward or
// backward, and at every leap of the phase itself. Shapes have a peak of 1; corners by blep.h, 4 samples late.
#pragma once

#include "blocks/parts/blep.h"
#include "blocks/parts/maths.h"

namespace lariat {

class PhaseWave {
  public:
    enum Shape { Sine, Triangle, Saw, Square };

    void shape(Shape shape) { shape_ = shape; }
    /// The phase goes evenly from p0 to p1 (in turns, not wrapped) in the samples from time t0 to t1 of this call.
    void travel(double t0, double p0, double t1, double p1) {
        if (shape_ == Sine || p1 == p0) return;
        const double turn = (p1 - p0) / (t1 - t0);
        const double grid = shape_ == Saw ? 1.0 : 0.5;
        const double low = std::min(p0, p1);
        const double high = std::max(p0, p1);
        double mark = std::floor(low / grid) * grid + grid; // the corners in (low, high]
        for (int guard = 0; mark <= high && guard < 8; mark += grid, ++guard) {
            const auto at = static_cast<float>(t0 + (mark - p0) / turn);
            const bool whole = mark == std::floor(mark);
            const float up = turn > 0.0 ? 1.0f : -1.0f;
            const auto speed = static_cast<float>(std::abs(turn));
            if (shape_ == Saw) corners_.jump(at, -2.0f * up);
            if (shape_ == Square) corners_.jump(at, whole ? 2.0f * up : -2.0f * up);
            if (shape_ == Triangle) corners_.bend(at, (whole ? 8.0f : -8.0f) * speed);
        }
    }
    /// The phase leaps at time `at`.
    void leap(double at, double from, double to) { corners_.jump(static_cast<float>(at), value(to) - value(from)); }
    /// Sample i of this call is taken at this phase.
    void sample(int i, double phase) { corners_.line()[i] += value(phase); }
    void flush(float* out, int n) { corners_.flush(out, n); }

    /// The bare shape. Triangle: -1 at 0, 1 at one half. Saw rises from -1. Square: high in the first half.
    [[nodiscard]] float value(double phase) const {
        const auto p = static_cast<float>(phase - std::floor(phase));
        switch (shape_) {
        case Sine:
            return fastSinTurn(std::min(p, 1.0f));
        case Triangle:
            return 1.0f - 4.0f * std::abs(p - 0.5f);
        case Saw:
            return 2.0f * p - 1.0f;
        case Square:
            return p < 0.5f ? 1.0f : -1.0f;
        }
        return 0.0f;
    }

  private:
    Corners corners_;
    Shape shape_ = Sine;
};

} // namespace lariat
