// The loops that a processor's vector units are for, over whole runs.
//
// Each is compiled for plain x86-64 and for processors of 2013 and later (x86-64-v3); the program takes what fits the
// processor it finds itself on. Multiplications and additions are not contracted (-ffp-contract=off), so that both give
// the same bits; tests/core/kernels_test.cpp compares them.
#pragma once

#include "blocks/signal.h"

namespace lariat {

struct Extent {
    float low;
    float high;
    bool numbers; ///< false: one of the samples is not a number
};

/// Coefficients of a state-variable filter (see svf.cpp) for a run.
struct SvfCoefficients {
    Line inverse; ///< 1 / (1 + g(g + k))
    Line fromOne; ///< 2·inverse - 1
    Line toOne;   ///< 2·inverse·g
    Line toTwo;   ///< toOne·g
};

struct Kernels {
    const char* name;
    /// Lowest and highest of kRun samples.
    Extent (*extent)(const float* volts);
    /// out = base · 2^octaves for kRun samples, octaves held within ±20.
    void (*exp2)(float base, const float* octaves, float* out);
    /// out = tan(min(highest, x)) for kRun samples; x from 0, highest at most 1.42.
    void (*tan)(const float* x, float highest, float* out);
    /// out += peak · sin(2π phase) for n samples, phases in [0, 1].
    void (*addSine)(float peak, const float* phases, float* out, int n);
    /// out = offset + first · shrink^i for n samples.
    void (*decay)(float offset, float first, float shrink, float* out, int n);
    /// For kRun samples.
    void (*svf)(const float* g, const float* k, SvfCoefficients& out);
    /// Σ taps[i] · in[i] over n values, n a multiple of eight.
    float (*dot)(const float* taps, const float* in, int n);
};

const Kernels& plainKernels();
/// nullptr on a processor without them.
const Kernels* wideKernels();
/// Those that fit this processor.
const Kernels& kernels();

} // namespace lariat
